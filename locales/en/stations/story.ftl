# The story, and a new patient.

given-name = Given name
family-name = Family name
birth = Date of birth
operated-side = Operated side
dominant-hand = Stronger hand
day0 = Day of surgery (day 0)
mechanism = What happened
add-and-story = Add, and on to the story

story-title = Story
story-lead = What happened, and is it safe to go on?
flags-title = Red flags first
flags-all-asked = all asked
flags-asked-all-no = I have asked all { $count }: none
flags-read-out = Read each one out first.
flag-paused = The program is paused and nothing can be built until what was done is on record.
flag-what-done = What was done
flag-in-words = In words
flag-who-told = Who was told
flag-other-action = something else, in words
flag-record-acted = Record what was done
flag-result = What came of it
flag-answered-by = Who says so
flag-resumes = What may resume
flag-may-stand = Known loss, may stand until
flag-record-answer = Record the answer, go on
flag-by-mistake = Entered by mistake
flag-mistake-why = Why it was a mistake
flag-mistake-was = Entered by mistake: { $why }
flag-told = told: { $who }
flag-may-resume = may resume: { $what }
flag-stands-until = may stand until { $date }
flag-text-asks = Asked about this?
flag-asked-no = Asked: no
flag-asked-yes = Asked: yes
flag-state-not-asked = not asked
flag-state-no = no
flag-state-queried = to be asked
flag-state-raised = raised
flag-state-answered = answered
cause-open = nothing done yet
cause-acted-on = acted on
cause-answered = answered
offer-treated-injury = That is the injury we are treating
offer-wearing-off = It is wearing off
story-happened = What happened
procedure = Procedure
clearance = Go-ahead by the surgeon, on
sling-worn = Sling
sling-as-told = worn as told
sling-not = not worn as told
work-demands = Work, and what it demands (kg, height, hours)
health-title = General health that changes the plan
health-delay = strength work { $weeks ->
    [one] { $weeks } week
   *[other] { $weeks } weeks
} later
health-ranges = ranges due every { $days } days
health-longest = Where several put strength work back, the longest counts.
tasks-title = Tasks that matter
task-asks = What it asks for
task-asks-none = What does it ask for?
task-add = Add a task
task-label = Task
task-score = 0 to 10
task-scale = 0 cannot, 10 as before
kit-title = At hand at home
story-note = Anything else
beside-flag = What else they said about it
beside-complaint = In their own words
beside-health = What else about health: medicines, other joints
limits-title = Surgeon’s limits
limits-lead = They replace the pathway’s: tighter at once, looser only as a release.
limits-none = None written. The pathway’s limits hold.
limit-at-least = at least { $floor }
limit-until = until day { $day }
limit-open = until released
limit-release = release of { $date }
limit-ended = ended { $date }
limit-in-force = in force
limit-ceiling = Up to (°)
limit-floor = At least (°), if written
limit-is-release = This is a release by the surgeon
limit-add = Add limit

story-start = How it began
story-complaint = Main complaint
story-other-side = The other side
day0-injury = Day of the injury (day 0)
day0-first = First visit (day 0)
affected-side = Sore side

mass = Body mass
height = Height

modifiers-title = What else was done
job-load = Heaviest load at work
job-overhead = Hours a day above the shoulder
slips-per-week = Slips in a usual week

held-by-number = A number cannot be kept as it is: put it right first. Nothing was saved.

shoulders-title = Shoulders and operations
shoulder-add = Add another shoulder or operation
shoulder-save = Add it
shoulder-same-side = A later operation of this shoulder ends what runs for it.
episode-open = open
episode-ended-on = ended on { $date }
episode-go = Go there
episode-end = End this episode
episode-end-why = Why
episode-end-on = On
episode-end-words = Last reading, and what was agreed
episode-end-lead = It leaves the day’s list. Entries dated up to that day are still taken.
episode-reopen = Open again
episode-reopen-why = Why it is opened again
limit-from = Holds from
limit-ask-again-day = Ask again on day
limit-since = since { $date }
limit-asks = ask again on day { $day }

injection-title = Injections and imaging
injection-lead = after a steroid resisted work rests for two weeks; what imaging shows ends the guessing
injection-on = Day of the injection
injection-keep = Record
health-locked-arm = an arm that does not turn out is a red flag without an injury too
health-starts-low = new doses start low
health-quick-caution = quick work needs a reason
imaging-shows = shows { $hypothesis }, no longer guessed
imaging-excludes = excludes { $hypothesis }, no longer guessed
imaging-add = Note what imaging or an operation has shown
close-and-keep = Close, keep what I typed

ask-next = Ask next:
story-side-complaint = Which shoulder, and what it is about
story-work-tasks = Work and tasks
cannot-title = Cannot get into
cannot-lead = said once; nothing is planned there
folded-none = none
folded-time = Time at home
folded-time-open = not asked; planned as if there were enough
folded-minutes = { $n } minutes a day
folded-body = Body
folded-limits = { $n ->
    [one] one in force
   *[other] { $n } in force
}
folded-injections = Injections and imaging
folded-dated = { $n }, newest { $when }
folded-shoulders = { $n ->
    [one] one episode
   *[other] { $n } episodes
}
flags-questions = The { $count } questions, each with its answer; tap to ask again

folded-schools-go = Choose them beside the plan they change

kit-lent = we lend it
