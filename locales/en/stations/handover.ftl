# Handing over, and looking after.

handover-title = Handover
handover-treated = { $person } treats this shoulder.
handover-covered = Today { $person } looks after it.
handover-nobody = Nobody has taken this shoulder on.
handover-open = What is open
handover-measure = Measure:
handover-untried = not tried out in the room yet
handover-if = What to do if
handover-last-note = The last note
handover-to = Hand over to
handover-keep = Hand over from today
handover-says = { $person } treats this shoulder
handover-cover-hint = For some days only? Let a colleague look after all of yours, under Clinic, People.
