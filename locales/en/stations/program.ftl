# The program: picture, list, schools, versions.

program-title = Program
program-none = not built yet
program-unsigned = not signed
program-edited = edited since version { $version } was signed
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
weekly-reps = { $n } repetitions a week
milestones = Milestones
reached = reached
not-yet = not yet

program-no-pathway = No pathway has been chosen for this shoulder yet, so nothing is proposed. Choose one in the story once the reading is clear enough:

program-first = First, because of what was measured

change-added = new
change-removed = goes
change-moved = moves
change-kept-by-hand = yours
schools-lead = One side is chosen, the reason stands beside it; the surgeon’s limits win over all
school-source = ({ $source }, { $confidence })
schools-hold = Schools:
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
load-none = No load can be worked out for this.
load-peak = Peak { $peak-nm } N·m
load-assumed = for { $mass } kg and { $height } cm, assumed
load-body = for { $mass } kg and { $height } cm
load-share = { $percent } % of the patient’s own strength.

tempo-unreadable = “{ $text }” is no tempo: the seconds of the way, the pause and the way back, such as 2-0-4

load-pull = Pulls with { $pull-n } N at most, { $metres } m from the anchor.

program-lines = The lines

schools-open = Schools
schools-tried = Tried, not held yet. What would change:
schools-keep = Hold and build anew
schools-back = Back to what holds
schools-none = Nothing is disputed for this pathway.
schools-shown = The chart shows the plan as the schools tried beside it would make it.

program-as = How the program is shown
program-as-picture = Picture
program-as-list = List
program-as-week = Week
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

plan-week-title = The next seven days at home
plan-week-suits = Days and hours that suit the patient
plan-week-times = hours
plan-week-keep = Keep
plan-week-spread = Put the program on better days
plan-week-keys = Carry an exercise to another day, or use ← and →. Tap it for its dose. What is done every day stays.
plan-week-waits = planned, and not at home before it was tried out here
plan-week-unsuited = does not suit
plan-week-appointment = appointment
plan-week-daily = Every day
plan-week-often = × { $often }
plan-week-free = { $count ->
    [one] any time
   *[other] { $count } times, at any time
}
plan-week-rest = nothing at home
plan-week-minutes = { $minutes } min
plan-week-minutes-of = { $minutes } of { $most } min
line-days = Done on
