# The visit: decisions, the week at home, appointments, the note.

limit-waits = The surgeon’s limit for { $quantity } ({ $ceiling }) ran to day { $day }. It holds until its end is confirmed.

visit-since = Since last time
visit-note-of = (note of { $date })
visit-no-note = No signed note yet.
visit-adherence = At least { $pct } % of the planned sessions were done in the last { $days } days; { $known } % of them are known.
visit-unlogged = Nothing logged in { $days } days. Unlogged is not undone: ask.
visit-flags-line = Red flags since last time:
visit-flags-none = Asked: none of these
visit-flags-done = Asked today: none
visit-flags-some = There is one
visit-limits = Today’s limits
visit-limits-lead = whose word it is
visit-to-ranges = To the dials
gate-met-show = { $count ->
    [one] One is met: show it
   *[other] { $count } are met: show them
}
gate-met-fold = Fold what is met
gate-pass = Pass the gate
gate-pass-override = Pass with overrides
gate-opens = Opens on day { $day }. Healing time cannot be overridden.
gate-to-program = See it in the program
attest = I sign: yes
attest-not = no
override = override
status-met = Met
status-not_met = Not met
status-not_measured = Not measured
status-out_of_date = Out of date
log-title = Done at home
log-lead = one tap an answer, each kept at once
log-day = Day
log-sessions = Exercises done
log-done = { $exercises ->
    [0] none
    [one] 1, { $times ->
        [one] once
       *[other] { $times } times
    }
   *[other] { $exercises }, { $times } times
}
log-pain = Pain
log-left-out = left out
log-pain_before = Pain before
log-pain_during = Pain during
log-pain_next_morning = Pain next morning
short-pain_before = before
short-pain_during = during
short-pain_next_morning = next morning
log-slip = slipped
log-slip-ask = A feeling that it slips?
log-no-lines = No exercises run today.
log-empty = Nothing logged in the last { $days } days.

visit-no-limits = No limits by time. What was found is in

tryout-title = Try out in the room
tryout-lead = five repetitions of each new exercise: how did it go, and where was it felt?
tryout-change = change it before it goes home
tryout-keep = an ache that falls while it goes on is a sign to keep it, inside the pain limit
tryout-reset = reset, cue, and once more:
tryout-confidence = How sure are you that you can move it? 0 not at all, 10 quite sure

retest-own = Your own painful movement
retest-before = { $sign }: pain before the first set
retest-dose = the first set of what is new
retest-after = The same movement after the set: pain

decide-title = Exercises today
decide-lead = what the log, the measurements and the days say about each
decide-none = No exercise runs today.
decide-stay = { $count ->
    [one] One stays as it is
   *[other] { $count } stay as they are
 }
decide-accept = Accept
decide-override = Leave as it is
decide-instead = Do this instead
decide-own = Take this dose
decide-reason = Reason, when not accepted
decide-alternatives = What was not proposed
decide-not-because = Because:
decide-patient = Said to the patient:
decided-accepted = Accepted today
decided-changed = Changed today
decided-overridden = Left as it is
move-stop = stop
move-step-back = step back
move-ease = easier today
move-hold-sore = hold, sore
move-hold-stiff = hold, stiff
move-hold-unknown = hold, not known
move-hold-too-early = hold, too early
move-progress-dose = a little more
move-next-rung = next rung
log-effort = How hard it felt
short-effort = effort
log-slip-how = What was different?
log-flare-ask = A bad day?
log-flare = bad day
decide-morning = How was this morning? Without it nothing goes on.
gate-typical = Usually about day { $day }; the criteria decide.

watched-title = Watched for
watched-lead = besides red flags, at this time of this pathway
watch-speaks = It speaks.
watch-open = Not measured yet. If it comes:
watch-quiet = Quiet. If it comes:
within-days = { $days ->
    [one] within a day
   *[other] within { $days } days
  }

trend-speed = { $speed } a week (80 % of such lines: { $low } to { $high }).
trend-reach = { $target } about day { $day }, between day { $early } and day { $late }.
trend-reach-open = { $target } about day { $day }, day { $early } at the earliest; the latest cannot be said.
trend-short = { $speed } a week
trend-short-reach = { $speed } a week; { $target } about day { $day } ({ $early }–{ $late })
trend-short-open = { $speed } a week; { $target } about day { $day }, not before { $early }
trend-short-never = { $speed } a week; when { $target } comes cannot be said
trend-cannot-say = When { $target } comes cannot be said.

breach-answer = What the surgeon said about it
breach-record = Record the surgeon’s answer
line-paused = Paused by a stop: { $exercise }
line-resume = Let it go on
resume-why = Why it may go on

week-told = Or the week as a whole:
week-all = As planned
week-half = About half
week-hardly = Hardly
tapped-by-mistake = tapped by mistake
log-remark = In words (kept with the next tap)
short-plan-propose = Propose a short plan
flare-stop-list = Before it is called a bad day: is any of this there?
flare-none = None of these: a bad day

week-as-planned = Week as planned
week-undo = { $count ->
    [one] Take one entry back
   *[other] Take { $count } entries back
}
week-how = Then tap what was different: one session less each time, then left out.
week-before = The week before
week-now = This week
week-today = Today
week-day-as-planned = As planned
week-marks = Marked
week-on = On { $date }
week-sessions = { $n }×
week-cell-open = { $name }, { $day }: { $planned } planned, nothing known
week-cell-rest = { $name }, { $day }: a day of rest
week-cell-whole = { $name }, { $day }: done { $done } times
week-cell-part = { $name }, { $day }: { $done }/{ $planned } done
week-cell-out = { $name }, { $day }: left out
visit-all-ranges = All { $n }
visit-precautions = Today:
visit-last = Last
visit-due = due
visit-measure-here = Measure
visit-asked = Asked today
drafted-measured = Measured:
drafted-felt = Felt:
drafted-slips = { $count ->
    [one] One slip in the log.
   *[other] { $count } slips in the log.
}
drafted-decided = Decided:
decide-accept-all = Accept all { $count } that go on

contact-how = How today’s contact is held
contact-room = In the room
contact-telephone = Telephone
contact-video = Video
contact-far-telephone = By telephone:
contact-far-video = By video:
contact-far-unknown = what needs hands or eyes stays unknown today, and what is unknown holds. Everything else is read and decided as always.
contact-by-eye = Seen, not measured
contact-not = Not today
contact-still = Still possible: talk through the week, the flags and the decisions, and
contact-send-again = send the plan again
contact-not-by-telephone = not by telephone
contact-not-by-video = not by video
contact-not-by-room = in the room

appointment-next = Next appointment
appointment-none = None yet.
appointment-make = Make one
appointment-keep = Keep
appointment-cancel = Cancel it
appointment-cancel-ask = Cancel this appointment? It stays readable on the timeline.
appointment-stay = Leave it
appointment-when = { $weekday } { $date }, { $time }, { $minutes } min, { $held }
appointment-day = Day of the appointment
appointment-time = Time
appointment-minutes = Length of the appointment

from-home-title = From home, not read yet
from-home-read = I have read this
from-home-slip = The shoulder slipped, or felt about to slip
from-home-late = told later, about { $date }:
from-home-long = The clinic was open long enough to read this: the lead is told too.

week-left-out = left out: { $list }
week-left-hurt = it hurt{ $count ->
    [1] {""}
   *[other] , { $count } days
}
week-left-tired = too tired or unwell{ $count ->
    [1] {""}
   *[other] , { $count } days
}
week-left-no_time = no time{ $count ->
    [1] {""}
   *[other] , { $count } days
}
week-left-no_kit = something was missing{ $count ->
    [1] {""}
   *[other] , { $count } days
}
week-left-unsure = not sure how{ $count ->
    [1] {""}
   *[other] , { $count } days
}

visit-kit-missed = Told from home: something was missing of { $kit }. Say what is not there, and the program is proposed again:
