# Words that several stations use.

station-empty = empty
station-under-way = under way
station-done = done
station-due = due again
defers = This plan defers to the surgeon’s orders, local protocols and licensed practice.
yes = Yes
no = No
add = Add
remove = Remove
undo = Undo
copy = Copy
copied = Copied
copy-by-hand = Mark and copy it by hand
week-day = { $week } wk (day { $day })
not-asked = not asked
not-measured = not measured
no-work = no work on record
work = Work

flags-missing = { $count ->
    [one] { $count } question has not been asked. Not asked is not no.
   *[other] { $count } questions have not been asked. Not asked is not no.
}
flag-overdue = No answer yet: ask again.
flag-state-acted-on = acted on, the answer is awaited
flag-go = Record what was done
limit-up-to = up to { $ceiling }
limit-confirm-end = Confirm that it has ended
limit-movement = Movement
limit-until-day = Until day (empty: until released)

ranges-why = Why it stopped

signed-version = version { $version }, signed { $date }
minutes-session = { $minutes } min a session
may-override = a reason is enough
may-not-override = cannot be overridden in the clinic

gate-title = Gate { $gate }
override-reason = Reason
note-placeholder = What you found and what you decided
note-sign = Sign the note
note-signed = Signed.

story-setting = Seen as
reads-title = The patient reads
reads-short = Reads

variant = Way
answers = Answers
could-not = could not

read-next = What would change this most
read-summary = For the record
from-memory = from memory, confidence { $confidence }

read-worse = worse
read-source = ({ $source }, from memory)

ranges-landmark-kept = { $quantity } at { $degrees }° is at home: { $words }

change-exercise = → { $next }, { $much }
change-remove = leave it out
change-none = no change
level-n = level { $n }
minutes-per-day = Minutes a day for exercises
schools-title = Where practitioners disagree
school-default = default
why-here = Why it is here:
what-base = Copied from
what-own = Here
ceiling-gone = no ceiling
week-day-short = { $week } wk (day { $day })

simulated = simulated
simulated-never = simulated, never counted
note-too-long = { $given } characters; one note holds { $most }. Nothing is lost: sign it in two parts.

take-back = Take back

pathway-choose = Choose another pathway
pathway-keep = Keep this pathway
pathway-keep-why = Why it is kept

ceiling-free = no limit
note-draft = Draft it from today
note-draft-waits = What still waits to be sent is not in a draft yet.

school-group-timing = When things begin
school-group-pain = Pain and judgement
school-group-dose = How much and how often
school-group-work = Which work
school-group-other = Other
folded-schools-default = defaults, { $n }
folded-schools = { $chosen } chosen, { $n } defaults

appointment-length = { $minutes } min

handover-choose = a colleague …
no-page-title = There is no such page
no-page-lead = The address may be mistyped, or what stood there may have moved.
no-page-home = To Decisions

shut-title = Somebody else treats this patient
shut-lead = This clinic keeps everybody to their own patients and to those they look after. In need, say why, and the record opens.
shut-words = Why you open it
shut-open = Open the record
shut-hours = It stays open to you for 12 hours. Your reason, and every page you look at, stand in Who looked, which a lead and the patient may read.
