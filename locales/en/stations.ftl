# Words of the stations: they come with a station, not with the shell.

station-empty = empty
station-under-way = under way
station-done = done
station-due = due again
defers = This plan defers to the surgeon’s orders, local protocols and licensed practice.
close = Close
yes = Yes
no = No
add = Add
remove = Remove
undo = Undo
week-day = { $week } wk (day { $day })
not-asked = not asked
not-measured = not measured
due-again = due again
no-work = no work on record
given-name = Given name
family-name = Family name
birth = Date of birth
operated-side = Operated side
dominant-hand = Stronger hand
day0 = Day of surgery (day 0)
work = Work
mechanism = What happened
add-and-story = Add, and on to the story

story-title = Story
story-lead = What happened, and is it safe to go on?
flags-title = Red flags first
flags-missing = { $count ->
    [one] { $count } question has not been asked. Not asked is not no.
   *[other] { $count } questions have not been asked. Not asked is not no.
}
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
flag-overdue = No answer yet: ask again.
flag-text-asks = Asked about this?
flag-asked-no = Asked: no
flag-asked-yes = Asked: yes
flag-state-not-asked = not asked
flag-state-no = no
flag-state-queried = to be asked
flag-state-raised = raised
flag-state-acted-on = acted on, the answer is awaited
flag-state-answered = answered
cause-open = nothing done yet
cause-acted-on = acted on
cause-answered = answered
offer-treated-injury = That is the injury we are treating
offer-wearing-off = It is wearing off
flag-go = Record what was done
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
limit-up-to = up to { $ceiling }
limit-at-least = at least { $floor }
limit-until = until day { $day }
limit-open = until released
limit-release = release of { $date }
limit-ended = ended { $date }
limit-in-force = in force
limit-confirm-end = Confirm that it has ended
limit-movement = Movement
limit-ceiling = Up to (°)
limit-floor = At least (°), if written
limit-until-day = Until day (empty: until released)
limit-is-release = This is a release by the surgeon
limit-add = Add limit
limit-waits = The surgeon’s limit for { $quantity } ({ $ceiling }) ran to day { $day }. It holds until its end is confirmed.

ranges-title = Ranges
ranges-side = Side
ranges-arc = pain began, pain ended
ranges-arc-kept = pain from { $from }° to { $to }°
ranges-operated = This side, { $side }
ranges-other = Other side, { $side }
ranges-why = Why it stopped
ranges-say-why = Why did it stop? One key.
ranges-kept = Kept just now
ranges-how = Type the degrees, then one key for why it stopped: it is kept and the next dial comes up. Arrows move, o changes side, u takes back.

program-title = Program
program-none = not built yet
program-unsigned = not signed
program-edited = edited since version { $version } was signed
signed-version = version { $version }, signed { $date }
program-build = Build a proposal
program-rebuild = Propose again
program-save = Save
program-sign = Sign
program-saved = Saved. Sign it when you agree with it.
program-signed-now = Signed. This version is kept as it is.
program-draft = A draft, not saved yet. Every line passes the safety check or asks for a reason.
program-blocked = { $count ->
    [one] { $count } line is blocked by the safety check and cannot be saved.
   *[other] { $count } lines are blocked by the safety check and cannot be saved.
}
program-add = Add an exercise
program-choose = Choose …
program-later = Left for later, and why
program-knowledge = Knowledge release { $sha }.
from_day = from day
to_day = until day
rung-n = rung { $n }
minutes-session = { $minutes } min a session
weekly-reps = { $n } repetitions a week
may-override = a reason is enough
may-not-override = cannot be overridden in the clinic
milestones = Milestones
reached = reached
not-yet = not yet

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
gate-title = Gate { $gate }
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
override-reason = Reason
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
note-placeholder = What you found and what you decided
note-sign = Sign the note
note-signed = Signed.

home-title = Home
home-not-signed = nothing to hand out yet
home-sign-first = The sheet and the calendar come from a signed program.
home-edited-since = The program was edited after it was signed. Sign it again before printing.
home-lead = What the patient takes away today: drawings, dose, limits in plain words, when to stop.
home-pdf = Sheet as PDF
home-calendar = Calendar file
home-no-lines = No exercises run today.
home-advice = Told today
home-may = May I …?
home-may-from = { $what }: not before day { $day }
home-arms = which arm works
home-arms-text = In every drawing { the-arm } is tinted and the other arm is hatched.

story-start = How it began
story-complaint = Main complaint
story-setting = Seen as
story-other-side = The other side
day0-injury = Day of the injury (day 0)
day0-first = First visit (day 0)
affected-side = Sore side

visit-no-limits = No limits by time. What was found is in
program-no-pathway = No pathway has been chosen for this shoulder yet, so nothing is proposed. Choose one in the story once the reading is clear enough:
sent = sent
examine-title = What do I test next?
examine-tests = Tests
examine-ranges = Ranges
examine-left = { $count } left, about { $minutes } min
examine-plan-done = This plan is done
examine-plan = Plan
examine-short = Short plan
examine-full = Full plan
examine-affected = { $side }, the sore side
examine-other = { $side }, the other side
examine-no-complaint = Set the main complaint: it chooses the core
examine-core = Core
examine-then = Then, most telling first
examine-done = Done today
examine-later = Not now
examine-barred = Barred by protection
examine-not-now = Not interpretable now
examine-too-provoking = Left out for now
examine-bits = { $bits } bit, { $minutes } min
examine-min = { $minutes } min
examine-so-far = So far
examine-nothing-yet = Nothing has moved yet. Each answer moves the beams here.
provokes = provokes
hands = Hands
variant = Way
answers = Answers
could-not = could not
from-to = { $min } to { $max }
found-today = Today:
found-on = { $date }:
again-same = the same again
other-side-found = Other side:
same-here = the same here
speaks-about = Speaks about

# Read
read-title-operated = How does the repair stand?
read-title = What is it likely to be?
read-caution = This supports clinical judgement and never replaces it. No probability is a diagnosis; local protocols and the surgeon’s orders come first.
read-beams = Beams
read-scale = log-odds scale, percent
read-legend = Hollow: before the examination. Solid: after it. Whiskers: 2.5 to 97.5 %, from the counts of the studies and how far studies lie apart; they leave out the pre-test value and the dependence of tests on each other. Diamond likely, dot open, bar unlikely.
read-criteria = By criterion
read-criteria-lead = decided by range and radiograph, before the beams
read-film = Radiograph:
film-yes = shows arthritis
film-no = shows none
condition-met = criterion met
condition-range_only = range pattern, radiograph missing
condition-not_met = not met
condition-not_measured = not measured
read-impairments = What is impaired
read-impairments-lead = largest share first, with the error of the difference
read-no-impairment = No range below what it is measured against. Measure ranges in Examine.
less-than = less than
within-error = within error
read-irritability = Irritability
undetermined = undetermined
read-next = What would change this most
read-bits = { $bits } bit in { $minutes } min
read-unused = Kept, not used
read-summary = For the record
copy = Copy
read-flag-act = Record what was done
read-state = State of the repair
read-state-lead = an operated shoulder has no diagnostic probabilities
read-operated-lead = An operated shoulder is examined within its protection and read as a state, not as probabilities.
state-raised = something speaks for it
state-quiet = looked for, nothing found
state-unknown = not looked for yet
sensitivity = Sensitivity
specificity = Specificity
alone = Alone
source = Source
from-memory = from memory, confidence { $confidence }
assumed-counts = split of counts assumed
own-pre-test = Own pre-test
own-why = Why
own-set = Set
known-by = Seen by
known-shown = shows it
known-excluded = excludes it
vote-night-0 = none
vote-night-1 = off and on
vote-night-2 = constant
vote-end-range-0 = overpressure
vote-end-range-1 = at the end
vote-end-range-2 = before it
vote-disability-0 = low
vote-disability-1 = moderate
vote-disability-2 = high
vote-ache-0 = minutes
vote-ache-1 = hours
vote-ache-2 = over a day

# Strength
examine-strength = Strength
mass = Body mass
height = Height
strength-title = How strong, both sides?
strength-gentle = Pain on gentle effort may be noted with the resisted tests once they are allowed.
strength-norms = Make tests: the pad is held still. No norms are shipped; compare the sides and earlier visits. Line at { $goal } %.
strength-no-mass = Body mass in the story gives newtons per kilogram.
other-side-key = other side
device-push = Simulated device
lever = Lever
push-pain = Pain during the push
trace-label = Force over time
device-lost = The device was lost. Nothing of this push was kept; push again when it is back.
trace-read = peak, { $mean } N held, { $seconds } s to the peak, ± { $percent } %
trace-not-used = Kept, not used.
with-pain = pain { $pain }
position-and-move = Position
symmetry = Symmetry
of-three = { $count } of 3
er-ir-side = External to internal at the side
er-ir-90 = at 90°
other-short = other side
next-position = Next position

# Visit and home: nothing new goes home untried
tryout-title = Try out in the room
tryout-lead = five repetitions of each new exercise: how did it go, and where was it felt?
tryout-change = change it before it goes home
tryout-keep = an ache that falls while it goes on is a sign to keep it, inside the pain limit
tryout-reset = reset, cue, and once more:
tryout-confidence = How sure are you that you can move it? 0 not at all, 10 quite sure
home-untried = { $count ->
    [one] One exercise was
   *[other] { $count } exercises were
} not tried out in the room yet and stay off the sheet:

# Read, further
read-changes = Since the visit before
read-changes-lead = against the smallest change that is more than error
read-detectable = ± { $detectable }° is error
read-own-error = (own)
read-worse = worse
read-worked-out = Worked out
read-source = ({ $source }, from memory)
retest-own = Your own painful movement
retest-before = { $sign }: pain before the first set
retest-dose = the first set of what is new
retest-after = The same movement after the set: pain
response-title = Within this session
response-sign = Sign, e.g. painful arc
response-dose = What was done
response-before = before
response-after = after
response-keep = Keep
response-done = after { $dose }
bench-title = How well do we agree?
bench-lead = the same people, measured by each rater; nobody sees the others’ numbers
rater = Rater { $n }
bench-cell = person { $person }, rater { $rater }
bench-person = One more person
bench-rater = One more rater
bench-how = Degrees. A block copied from a spreadsheet can be pasted.
bench-empty = Fill at least three rows of two raters. The result appears here.
bench-icc21 = Any of us, ICC(2,1)
bench-icc31 = These raters, ICC(3,1)
bench-mdc-same = Same rater: a change is real from
bench-mdc-any = Different raters: from
bench-default = Defaults, unverified: { $same }° and { $any }°.
bench-spread = Each row a person; circle, square and triangle are the raters.
bench-keep = Use this in the clinic
bench-kept = From now on changes of { $quantity } are judged by this.
bench-own = The clinic’s own
bench-none = None yet: changes are judged by the defaults.
bench-own-row = SEM { $sem }°, same rater { $same }°, { $date }

# Outcome scores
examine-scores = Scores
scores-title = Scores
scores-sheet = Tick on the licensed sheet; only the numbers come here.
scores-how = Digits answer and move on, t is ten, a dot leaves an item out.
scores-how-number = Type the number, Enter moves on.
scores-keep = Keep
scores-clear = Empty the sheet
scores-none = not filled yet
scores-better-more = more is better
scores-better-less = less is better
scores-answered = { $given } of { $items } answered
scores-may-miss = { $n ->
    [0] all needed
    [one] one may be missing
   *[other] { $n } may be missing
}
scores-rule-published = Missing items: published rule.
scores-rule-our-choice = Missing items: no published rule; ours is stricter.
scores-detectable = less than { $detectable } is within error
scores-important-elsewhere = Disputed: in other studies { $low } to { $high } matter.
scores-detectable-elsewhere = Within error: { $low } to { $high } in other studies.
scores-not-shoulders = Not found in people with a sore shoulder.
scores-important = { $important } or more matters
scores-item = Item { $n }
scores-history = Earlier sheets

# Two visits side by side
compare-title = Two visits side by side
compare-lead = what was found on both days, and what the difference means
compare-before = Earlier
compare-now = Later
compare-unused = kept, not used
compare-open = Compare visits
compare-no-word = no published error
compare-none = Only one day of findings so far: nothing to compare yet.

# Inclinometer
device-lift = Inclinometer, simulated
device-lifting = Lift, hold still
ranges-landmark = What is that at home?
ranges-landmark-kept = { $quantity } at { $degrees }° is at home: { $words }
ranges-method = Measured with
device-lost-lift = The inclinometer was lost. Nothing was kept; lift again, or type the angle.
trace-again = Draw this push again
program-first = First, because of what was measured
library-count = { $shown } of { $count }
library-find = Find an exercise
library-ladder = Family
library-all = all families
library-purpose = What for
library-attitude = Position
library-kit = Kit
library-no-kit = nothing needed
library-order = Order
library-sort-ladder = By family
library-sort-load = By load
library-by-load = lightest peak first
library-none = Nothing fits all of this. Take one filter away.
library-unknown = There is no exercise { $id }.
library-body = Peaks are for 75 kg and 1.75 m with the starting dose. A moment is not the load on a tendon.
bench-rung = { $rung } of { $count }
bench-back = Back to the library
bench-play = Play
bench-stop = Stop
bench-along = Along the movement
bench-task = For:
bench-faults = Watch:
bench-beware = Left out or changed with:
bench-ladder = Before and after
bench-curve = Moment along the path, peak { $peak } N·m
bench-here = Here
bench-elevation = elevation { $angle }°
bench-rotation = rotation { $angle }°
bench-band = band { $force } N at { $percent } %
bench-peak = Peak
bench-mean = mean { $mean }, impulse { $impulse } N·m·s
bench-against = { $percent } % of the held one
bench-share = of this shoulder’s own strength in the same position.
bench-weight = Weight
bench-elastic = Elastic
bench-level = level { $level }
bench-distance = Distance
bench-double = two strands
bench-doubled = two strands
bench-mass = Body mass
bench-height = Height
bench-harder = One step up
bench-easier = A flare day
bench-hold = Hold to compare
bench-let-go = Let go
bench-held = Held:
bench-own-weight = the arm’s own weight
bench-to-program = Use in the program
bench-wanted = Wanted peak
bench-solve-distance = Find the distance
bench-solve-level = Find the level
bench-solve-weight = Find the weight
bench-demand = Muscle demand
bench-memory = from memory
bench-near = About as hard
bench-sources = Sources
bench-table = Segments: table { $table }.
elastic-title = Elastics
elastic-lead = levels in newtons, measured here; no maker’s colours
elastic-level = Level
elastic-at-100 = At 100 %
elastic-measured = Measured
elastic-assumed = assumed
elastic-curve = Tension of level { $level } over elongation
elastic-fit = Fit: { $rms } N root mean square, measured to { $to } %.
elastic-label = Our name for it
elastic-elongation = Elongation of point { $n }, percent
elastic-force = Tension of point { $n }, newtons
elastic-gauge = simulate
elastic-pulling = pulling
elastic-keep = Keep this level
elastic-kept = Kept. Every load is worked out with it from now on.
elastic-how = At least four lengths over 60 %, shortest first. Empty rows are left out. 100 % is twice the free length.

# Decisions about exercises
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
change-exercise = → { $next }, { $much }
change-remove = leave it out
change-none = no change
change-added = new
change-removed = goes
change-moved = moves
change-kept-by-hand = yours
level-n = level { $n }
log-effort = How hard it felt
short-effort = effort
log-slip-how = What was different?
log-flare-ask = A bad day?
log-flare = bad day
modifiers-title = What else was done
minutes-per-day = Minutes a day for exercises
job-load = Heaviest load at work
job-overhead = Hours a day above the shoulder
slips-per-week = Slips in a usual week
schools-title = Where practitioners disagree
schools-lead = One side is chosen, the reason stands beside it; the surgeon’s limits win over all
school-default = default
school-source = ({ $source }, { $confidence })
schools-hold = Schools:
# Program
redo = Redo
what-if = What if…
chart-zoom-group = How much is shown
zoom-all = whole
zoom-ten = ten weeks
zoom-week = one week
zoom-week-of = after { $week } completed weeks (days { $from } to { $to })
chart-keys = A chosen line: ← → move it a week, with Shift its end, + and − change the rung, Del removes; Ctrl Z takes back; z zooms. Or drag it, or its end.
by-hand = yours: a new proposal leaves it
rung-up = rung up
rung-down = rung down
to-load-bench = weigh it on the load bench
why-here = Why it is here:
structure-straight = straight sets
structure-circuit = circuit
structure-single = single repetitions
program-difference = What it changes
program-difference-lead = nothing is saved yet; your own lines stay
day-range = day { $from } to { $to }
program-exact = chosen exactly
program-gap = may be { $percent } % below the best
volumes-title = Work of a week
volumes-lead = repetitions that load each muscle group, on the middle day of each phase
volumes-phase = Phase
volumes-session = Session
volumes-day = Day
milestones-lead = by completed weeks, with the gates between
milestones-typical = weeks are only typical here; criteria decide
milestone-sling-off = Sling off at night too
print-sheet = sheet { $n } of 2
print-draft = not signed
what-if-title = What if
what-if-lead = the same shoulder, built twice; nothing is saved
what-if-close = Close
what-run = Compare
what-missed = Days missed from today
what-limit = A limit on
what-ceiling = up to
what-moves = What moves
what-as-is = As it is
what-variant = What if
what-exercises = Exercises
what-removed = { $n ->
    [one] one goes
   *[other] { $n } go
}
what-added = { $n } new
what-changed = { $n ->
    [one] one moves
   *[other] { $n } move
}
what-same = Nothing moves: both programs are the same.
what-base = Copied from
what-own = Here
ceiling-gone = no ceiling
week-day-short = { $week } wk (day { $day })
weeks-n = { $weeks } wk
# Pathways
pathways-title = Pathways
pathways-lead = every one a file with its sources; copy one to make it your own
pathways-own = Our own
pathways-shipped = Shipped
pathways-empty = Choose a pathway to see its corridors and its file.
pathway-retired = retired
pathway-copy-title = Name of your copy
pathway-copy = Copy
pathway-bring = Bring in a file
pathway-take = Take the file
pathway-of = from { $pathway }
pathway-version = version { $version }, { $date }
pathway-holds = { $phases } phases, { $exercises } exercises, { $schools } schools
clock-is = healing clock:
pathway-differs = Against the pathway it was copied from
pathway-looser = looser
pathway-tighter = tighter
pathway-faults = { $count ->
    [one] One fault: not saved before it is mended
   *[other] { $count } faults: not saved before they are mended
 }
pathway-file = The file
pathway-save = Save as version { $version }
pathway-retire = Retire
pathway-unretire = Put in force again
pathway-sums = Programs that run keep the version they were built with.
decide-morning = How was this morning? Without it nothing goes on.
no-clock = no clock
gate-typical = Usually about day { $day }; the criteria decide.
load-none = No load can be worked out for this.
load-peak = Peak { $peak-nm } N·m
load-assumed = for { $mass } kg and { $height } cm, assumed
load-body = for { $mass } kg and { $height } cm
load-share = { $percent } % of the patient’s own strength.

# What the pathway watches for
watched-title = Watched for
watched-lead = besides red flags, at this time of this pathway
watch-speaks = It speaks.
watch-open = Not measured yet. If it comes:
watch-quiet = Quiet. If it comes:
within-days = { $days ->
    [one] within a day
   *[other] within { $days } days
  }

# Where a range is heading
trend-speed = { $speed } a week (80 % of such lines: { $low } to { $high }).
trend-reach = { $target } about day { $day }, between day { $early } and day { $late }.
trend-reach-open = { $target } about day { $day }, day { $early } at the earliest; the latest cannot be said.
trend-short = { $speed } a week
trend-short-reach = { $speed } a week; { $target } about day { $day } ({ $early }–{ $late })
trend-short-open = { $speed } a week; { $target } about day { $day }, not before { $early }
trend-short-never = { $speed } a week; when { $target } comes cannot be said
trend-cannot-say = When { $target } comes cannot be said.

# Rooms of the clinic
clinic-reliability = How well we agree
clinic-elastics = Elastics
clinic-pathways = Pathways
simulated = simulated
simulated-never = simulated, never counted
note-too-long = { $given } characters; one note holds { $most }. Nothing is lost: sign it in two parts.
held-by-number = A number cannot be kept as it is: put it right first. Nothing was saved.

note-irritability = A vote on irritability
note-known = What imaging or an operation has shown
note-pre_test = A pre-test probability of one’s own
note-instability = A question on the severity of instability
note-response = Before and after one dose
note-try_out = A try-out in the room
tempo-unreadable = “{ $text }” is no tempo: the seconds of the way, the pause and the way back, such as 2-0-4

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
take-back = Take back
take-back-why = Why it is taken back

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
late-nothing-planned = Nothing was planned here before.
log-remark = In words (kept with the next tap)
short-plan-propose = Propose a short plan
read-flag-only = Used for a red flag, not for a likelihood
read-raises = Raises: { $flag }.
read-propose-other-side = Note for the other side: { $other }
pathway-choose = Choose another pathway
pathway-keep = Keep this pathway
pathway-keep-why = Why it is kept
injection-title = Injections and imaging
injection-lead = after a steroid resisted work rests for two weeks; what imaging shows ends the guessing
injection-on = Day of the injection
injection-keep = Record
health-locked-arm = an arm that does not turn out is a red flag without an injury too
health-starts-low = new doses start low
load-pull = Pulls with { $pull-n } N at most, { $metres } m from the anchor.
note-pathway_kept = Pathway kept
note-injection = Injection
flare-stop-list = Before it is called a bad day: is any of this there?
flare-none = None of these: a bad day
health-quick-caution = quick work needs a reason
imaging-shows = shows { $hypothesis }, no longer guessed
imaging-excludes = excludes { $hypothesis }, no longer guessed
imaging-add = Note what imaging or an operation has shown
read-withheld = withheld
close-and-keep = Close, keep what I typed

# The story in the order of talk
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
program-lines = The lines

# A week at home
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
ceiling-free = no limit
note-draft = Draft it from today
note-draft-waits = What still waits to be sent is not in a draft yet.
drafted-measured = Measured:
drafted-felt = Felt:
drafted-slips = { $count ->
    [one] One slip in the log.
   *[other] { $count } slips in the log.
}
drafted-decided = Decided:
decide-accept-all = Accept all { $count } that go on

# Schools beside the plan
schools-open = Schools
schools-tried = Tried, not held yet. What would change:
schools-keep = Hold and build anew
schools-back = Back to what holds
schools-none = Nothing is disputed for this pathway.
schools-shown = The chart shows the plan as the schools tried beside it would make it.
school-group-timing = When things begin
school-group-pain = Pain and judgement
school-group-dose = How much and how often
school-group-work = Which work
school-group-other = Other
folded-schools-default = defaults, { $n }
folded-schools = { $chosen } chosen, { $n } defaults
folded-schools-go = Choose them beside the plan they change

# How a contact is held
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

# Appointments
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
appointment-length = { $minutes } min

# Handing over, and looking after
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
handover-choose = a colleague …
handover-keep = Hand over from today
handover-says = { $person } treats this shoulder
handover-cover-hint = For some days only? Let a colleague look after all of yours, under Clinic, People.
clinic-people = People
clinic-defaults = Defaults
clinic-kit = Kit
defaults-title = What a story begins with
defaults-lead = For stories that begin from now on; those that run keep theirs.
defaults-keep = Keep for the clinic
defaults-kept = Kept. Stories that begin from now on begin with it.
no-page-title = There is no such page
no-page-lead = The address may be mistyped, or what stood there may have moved.
no-page-home = To Decisions
defaults-by-lead = A lead sets this.
defaults-setting = Seen as
defaults-minutes-per-day = Minutes a day
defaults-appointment-minutes = An appointment lasts
defaults-kit = At home
defaults-lent = Lent
defaults-schools = Schools we follow
defaults-schools-lead = Where practitioners disagree. The surgeon’s limits win over all of them, and each story can say otherwise.
defaults-every-pathway = Every pathway
kit-room-title = Kit
kit-room-lead = What there is to train with. Nobody gets an exercise without what it needs.
kit-room-what = What
kit-room-exercises = Exercises that need it
kit-room-home = Most people have it
kit-room-lent = We lend it
kit-lent = we lend it
people-title = People
people-lead = Who works here, and who looks after whose patients
people-name = Name
people-role = Role
people-from-console = People are added from the console of the machine for now.
cover-title = Looking after
cover-none = Everybody is here.
cover-for = looks after the patients of { $person }
cover-new = While somebody is away
cover-away = Away
cover-by = Looks after them
cover-from = From
cover-until = To, this day included
cover-words = What the colleague should know
cover-keep = Keep
cover-end = End it today
cover-end-ask = End this today?
timeline-search = Words, or who wrote them
timeline-contacts = Contacts

# The program, read
program-as = How the program is shown
program-as-picture = Picture
program-as-list = List
legend = Names by their numbers
list-number = No.
list-exercise = Exercise
list-when = Days
list-dose = How much
list-why = Why it stands there
list-why-none = Nothing measured, no goal of the phase and no task asks for it now.
list-by-hand = made or changed by hand
list-today = runs today
versions-open = Versions
versions-title = Versions of this program
versions-none = Nothing was signed yet.
versions-before = Earlier version
versions-after = Later version
versions-now = as it is now
versions-same = No exercise differs.
version-of = { $version }, signed { $date } { $person }
became-added = added
became-left-out = left out
became-changed = changed

# The numbers of an own pathway that clinics change most
five-title = What clinics change most
five-lead = each field changes its number in the file below; the same checks judge it
five-corridor = Ceilings and floors, by week
five-phase = Weeks and minutes of the phases
five-pain = Pain allowed
five-opens-week = Opens, wk
five-end-of-week = To wk
five-floor = Floor °
five-ceiling = Ceiling °
five-earliest-week = From wk
five-expected-end-week = To wk
five-max-minutes = Minutes
five-max = At most, of 10
insert-id = Insert the id of a ladder or an exercise …
insert-ladders = Ladders with their rungs
