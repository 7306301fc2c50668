# The timeline.

timeline-title = Timeline
timeline-lead = Everything on record, newest first
timeline-all = Everything
timeline-notes = Notes
timeline-flags = Red flags
timeline-limits = Limits and ranges
timeline-plan = Plan
timeline-home = At home
timeline-none = Nothing of this kind yet.
timeline-more = Earlier
timeline-late = entered late, for { $date }
timeline-by-rule = by a rule
timeline-later = { $role }
take-back-why = Why it is taken back

timeline-search = Words, or who wrote them
timeline-contacts = Contacts
timeline-trail = Who looked at this record
timeline-from-home = the patient, from home
