# Words of the shell and of the day list.

app-name = Ritorno
# How days and moments are said.
date = { $day } { $month } { $year }
date-long = { $longday } { $day } { $longmonth } { $year }
date-day = { $day } { $month }
moment = { $day } { $month } { $year }, { $hour }:{ $minute }
month-1 = Jan
month-2 = Feb
month-3 = Mar
month-4 = Apr
month-5 = May
month-6 = Jun
month-7 = Jul
month-8 = Aug
month-9 = Sep
month-10 = Oct
month-11 = Nov
month-12 = Dec
month-long-1 = January
month-long-2 = February
month-long-3 = March
month-long-4 = April
month-long-5 = May
month-long-6 = June
month-long-7 = July
month-long-8 = August
month-long-9 = September
month-long-10 = October
month-long-11 = November
month-long-12 = December
weekday-1 = Mon
weekday-2 = Tue
weekday-3 = Wed
weekday-4 = Thu
weekday-5 = Fri
weekday-6 = Sat
weekday-7 = Sun
weekday-long-1 = Monday
weekday-long-2 = Tuesday
weekday-long-3 = Wednesday
weekday-long-4 = Thursday
weekday-long-5 = Friday
weekday-long-6 = Saturday
weekday-long-7 = Sunday
# How a measurement carries its unit.
measured-deg = { $value }°
measured-level = level { $value }

nav-main = Main
nav-stations = Stations
nav-decisions = Decisions
nav-visit = Visit
nav-story = Story
nav-ranges = Ranges
nav-program = Program
nav-home = Home
role-clinician = clinician
role-lead = lead
role-assistant = assistant
role-auditor = auditor
role-learner = learner
role-patient-link = patient
sign-in = Sign in
sign-in-title = Sign in
sign-in-name = Name
sign-in-password = Password
sign-in-code = Code of your second factor
sign-in-code-lost = Telephone lost? One of the codes you kept for that day does as well.
demo-ribbon = Demo: the patients are invented and the password is known to everybody. Never enter a real person here.
sign-in-lead = From the first question to the last gate: Ritorno measures, counts the weeks, checks every limit and shows its reasons. You decide.
sign-out = Sign out
caution = Ritorno supports clinical judgement and never replaces it. The surgeon’s orders, local protocols and licensed practice take precedence.
waiting = One moment …
cancel = Cancel
saved = Saved.
day = day
day-n = day { $day }
clock = { $weeks } wk { $days } d (day { $day })
weeks-days = { $weeks } wk { $days } d
week-n = { $week } wk
hold-s = hold { $s } s
lasting-seconds = { $n } s
lasting-minutes = { $n } min
barred = barred
waits = waits to be sent
queue-waiting = { $count ->
    [one] { $count } entry waits to be sent. Nothing is lost.
   *[other] { $count } entries wait to be sent. Nothing is lost.
}
queue-refused = An entry that had waited was refused:

decisions-title = Who needs a decision now?
unread-title = From home, not read yet:
unread-since = { $count ->
    [one] since { $since }
   *[other] { $count } entries since { $since }
}
unread-of-another = a colleague’s patient
decisions-search = Name or work
decisions-lanes = Lanes
decisions-empty = No patients yet. Add the first one: name, operated side and the day of surgery are enough to begin.
decisions-behind = The new day has begun: { $count ->
    [one] one patient is
   *[other] { $count } patients are
} still being brought to it and may move.
decisions-none-found = Nobody fits. Take a letter away or clear the lane.
next-gate = next gate
no-gate = no further gate
page-before = Earlier
page-after = More
new-patient = New patient
screened-asks = asks about: { $flag }
save-story = Save the story
chart-weeks = completed weeks
chart-phases = Phases
chart-sling = Sling
chart-precautions = Precautions
chart-surgeon = surgeon’s limit
chart-today = today
chart-nights = day and night, then nights
chart-open = open
chart-line = { $name }, day { $from } to { $to } { $verdict }
chart-label = The plan chart: weeks across, phases, precautions, corridors, exercises and gates
chart-empty = No exercises yet. Build a proposal, or add one below.
verdict-allowed = allowed
verdict-caution = caution
verdict-blocked = blocked
verdict-nothing = Nothing speaks against it on any day of this line.
note-title = Note

# Examine
nav-examine = Examine
nav-read = Read
keys = keys
key-answer = the answer in that place
    .key = 1–4
key-number = a number, then Enter
    .key = 0–9
key-could-not = could not
    .key = x
key-same-as-other = as on the other side
    .key = =
key-repeat = as at the last visit
    .key = r
key-neck = neck clear
    .key = c
key-other = other side
    .key = o
key-full = short or full plan
    .key = f
key-variant = way of doing it
    .key = v
key-undo = undo
    .key = u
key-move = next or before
    .key = ↓ ↑
key-angle = the angle, a sign with −
    .key = 0–9
key-stop = why it stopped: pain, stiff, weak, slipping, at the limit
    .key = p s w x l
key-move-range = next or before
    .key = → ←
key-force = the force, then Enter
    .key = 0–9
key-tick = the tick in that place
    .key = 0–9
key-line-week = the chosen line a week later or earlier
    .key = → ←
key-line-end = only its end
    .key = Shift → ←
key-line-rung = the rung above or below
    .key = + −
key-line-remove = takes the chosen line out
    .key = Del
key-line-undo = takes the last step back
    .key = Ctrl Z
key-zoom = all, ten weeks, one week
    .key = z
key-motion = the movement step by step
    .key = → ←
key-motion-play = lets it move, stops it
    .key = space
key-new-patient = a new patient
    .key = n
key-search = find a person, a page, an exercise, a test
key-help = this list
keys-title = Keys
keys-here = On this screen
keys-everywhere = On every screen
keys-none = This screen has no keys of its own.
keys-go = then:
keys-switch = Keys without Ctrl or Alt act
keys-switch-why = Turn them off where voice control or an elbow presses them. Every key has a button.
read-before = Before the examination
read-own = your own
read-after = After it
read-times = × { $ratio }
read-interval = { $low } to { $high }
read-cluster = Published together: { $positive } of { $of } positive
read-cluster-source = × { $published } together ({ $source }, from memory); the model gives × { $model } for the same answers
test = Test
newtons-seconds = N over seconds
mean-so-far = mean so far

# Clinic
nav-clinic = Clinic
scores-better = better

# Library and load bench
nav-library = Library
along-elevation = elevation
along-rotation = rotation, outward positive
along-plane = plane of elevation
along-elbow = share of the way
# Story: choices
pathway = Pathway
chart-pulled = day { $from } to { $to }
tiny-passive-elevation = Elevation
tiny-passive-er-side = Rotation
tiny-active-elevation-upright = Raising

# By day and by lamplight
look-dark = Dark look
look-light = Light look
days-a-week = { $n } days a week

# The outbox: what has not reached the server
save-saving = Saving …
save-saved = Saved
save-waits = Kept on this device, waits to be sent
outbox-title = Outbox
outbox-lead = What has not reached the clinic’s server yet. It is sent by itself, in order, as soon as the server answers.
outbox-denied = This browser denies its database: what waits is lost when the page is closed. Let the page store data, or stay on it until everything is sent.
outbox-empty = Nothing waits. Everything that was entered here has reached the server.
outbox-somebody = A patient
outbox-since = Since { $when }
outbox-waits = Waits to be sent.
outbox-refused = Refused. Nothing of it is lost: change it and try again, or discard it.
outbox-retry = Try again
outbox-send = Send now
outbox-discard = Discard
outbox-discard-ask = Discard this entry for good?
outbox-others = { $n ->
    [one] One entry of another person waits on this machine; only that person can send it.
   *[other] { $n } entries of other people wait on this machine; only they can send them.
}
sign-out-ask = Entries wait to be sent
sign-out-waiting = { $count ->
    [one] One entry has not reached the server. It stays on this machine and is sent when you sign in here again; nobody else can send it.
   *[other] { $count } entries have not reached the server. They stay on this machine and are sent when you sign in here again; nobody else can send them.
}
sign-out-stay = Stay and send them
sign-out-anyway = Sign out
trouble-title = This page fell over
trouble-lead = Nothing that was entered is lost: what was not sent yet waits in the outbox.
trouble-home = To the day’s work
trouble-again = Load the page again
trouble-detail = What happened, for whoever mends it
number-unreadable = “{ $text }” is not a number
number-whole = Whole numbers only
number-places = At most { $places } places after the point
number-outside = Between { $min } and { $max } { $unit-text }
person-correct = Correct name or birth date
person-is-another = This is another person: save
nav-timeline = Timeline
nav-strength = Strength
nav-scores = Scores

## Reasons, remarks, challenges
remark = Remark

# Nothing typed is lost
session-lapsed = Your session has ended
session-lapsed-lead = Sign in again as { $name } and go on: the page and everything typed on it stay as they are.
away-title = The clinic’s server does not answer
away-lead = This page opened from this machine and asks again by itself. What was typed or entered here is kept and is sent when the server answers. Patients can be opened again then; nothing about them is stored on this machine.
version-new = A newer version of Ritorno is ready. It is loaded when you say so.
version-take = Load it now
skip-link = To the content
draft-kept = Not saved yet. Kept in this browser since { $when }.
draft-discard = Throw away
draft-discard-ask = Throw away what was typed here? It does not come back.
draft-stay = Keep it
draft-nothing = nothing
draft-other-window = Another open window holds a different text of this, last changed { $when }:
draft-left-behind = A different text of this was left unsaved, last changed { $when }:
draft-take = Take this one
draft-drop = Throw that one away
left-before = Begun on { $date } and not sent:
left-before-take = Go on with it today
left-before-drop = Throw it away
draft-drop-ask = Throw that text away? It does not come back.
clash-title = { $name }: somebody else changed this too
clash-mine = Yours
clash-theirs = On record now
clash-keep-mine = Keep mine
clash-take-theirs = Take what is on record

keypad = Digits
keypad-sign = other sign
keypad-point = point
keypad-back = delete the last

# Finding, from any page
find = Find
find-title = Find a person, a page, an exercise, a test
find-placeholder = A name, or a part of it
find-people = People
find-places = Pages
find-acts = Do
find-exercises = Exercises
find-tests = Tests
find-cut = { $what }: { $shown } of { $of }, type more of the name
find-none = Nothing of this name
find-ended = ended on { $date }
find-shut = somebody else’s patient
find-print = Print this page

# The day, filtered
filter-open = Filter …
filter-shut = No filter
filters = Which shoulders
filter-everybody = Everybody’s
filter-mine = Mine and covered
filter-pathway = Pathway
filter-all-pathway = All pathways
filter-phase = Phase
filter-all-phase = All phases
filter-none = Show everybody
decisions-all-quiet = Nobody needs a decision from you now.
decisions-all-quiet-more = Whoever is listed below goes on as planned; the list moves by itself when something becomes known.
peek = Act here
peek-visit = Open the visit

nav-handover = Handover
