# The page on the patient's phone: reading age about 11, no degrees, no newtons.

phone-title = Your shoulder program
phone-open-lead = This page is for you alone. When were you born?
phone-day = Day
phone-month = Month
phone-year = Year
phone-open = Open
phone-closed = We could not open this page. Check your birth date. If it is right, the link may have run out: ask the clinic for a new one.
phone-wait = Too many tries. Wait a little, then try again.
phone-no-network = There is no network just now. Try again when there is.
phone-date-needed = Type the day, the month and the year as numbers.

phone-broken = This page has a fault. What you told us is kept.
phone-again = Open it again

phone-today = Today
phone-hello = Hello { $name }
phone-next = Next appointment: { $day }, { $time }
phone-start = Start
phone-go-on = Go on
phone-all-planned = I did it all as planned
phone-all-done = All done for today. Well done.
phone-done-times = { $times ->
    [0] not yet today
    [one] done once today
   *[other] done { $times } times today
}
phone-of = { $place } of { $count }
phone-back = Back to the list
phone-done = Done
phone-skip = Not today, because
phone-skip-hurt = it hurts
phone-skip-tired = I am too tired
phone-skip-no_time = I have no time
phone-skip-no_kit = something is missing
phone-skip-unsure = I am not sure how
phone-skipped = left out today
phone-bad-day = A bad day: do less
phone-bad-day-told = Noted. Each exercise now says what to do instead. A bad day is no step back.
phone-pain-ask = How much did it hurt while you did it?
phone-pain-none = not at all
phone-pain-some = you notice it
phone-pain-much = it gets in the way
phone-pain-strong = it stops you
phone-morning-ask = How does the shoulder feel this morning?
phone-morning-thanks = Thank you. Noted.
phone-round = round { $round } of { $rounds }
phone-round-done = This round is done
phone-move = Show how it moves
phone-still = Stand still
phone-count-along = Count with me
phone-sound = Sound is on
phone-quiet = Sound is off
phone-beat-out = go
phone-beat-pause = stay
phone-beat-back = slowly back
phone-beat-hold = hold
phone-beat-go = go on
phone-beat-breath = let go
phone-beat-rest = rest
phone-beat-at = { $repetition } of { $repetitions }{ $rounds ->
    [1] {""}
   *[other] , round { $round } of { $rounds }
}
phone-beat-next = Then round { $round }
phone-beat-wait = Wait
phone-beat-on = Go on
phone-beat-end = End
phone-calendar = Put the days into my calendar
phone-calendar-keep = Keep my calendar up to date by itself
phone-calendar-kept = Tap the address to add it to your calendar, or copy it there. It is shown this once. Show it to nobody: who has it sees your days. It ends when your page ends.
phone-left-hand = Keys for the left hand
phone-right-hand = Keys for the right hand
phone-limits = Your limits today
phone-more = Good to know
phone-no-limits = No limits are set for today.
phone-kit = You need

phone-paused = Your exercises are paused
phone-paused-flag = You told us about something we must look at first. Do no exercises until we have spoken. If you have not heard from us, call the clinic.
phone-paused-changing = Your program is being changed. Do no exercises until the new one is here. If that takes long, ask the clinic.
phone-paused-unsigned = There is no program for you yet. Ask the clinic.
phone-rests = Resting today:
phone-none-today = There are no exercises for today.

phone-stop = Stop
phone-slip = It slipped
phone-slip-sure = Did the shoulder slip, or feel about to slip?
phone-slip-yes = Yes, it slipped
phone-slip-no = No
phone-slip-told = Stop for today. Put the arm in a comfortable position. Call the clinic today.
phone-stop-ask = What is wrong?
phone-stop-lead = Do not go on with the exercise. Tap what fits: you are told what to do, and we are told too.
phone-stop-none = None of these: go back
phone-told-now = Call the emergency number now
phone-told-now-why = Or let somebody take you to an emergency department. Do not wait for us.
phone-told-day = Stop all exercises and call the clinic today
phone-told-day-why = If you cannot reach us today, go to an emergency department.
phone-told-sent = The clinic has been told.
phone-told-waits = There is no network: the clinic is told as soon as there is. Call, do not wait for it.
phone-sharp = Sharp pain while you exercise
phone-sharp-told = Stop this exercise. Call the clinic if it does not settle within a few minutes.

phone-flag-chest-pain = Chest pain, trouble breathing, or a swollen calf or arm
phone-flag-limb-blood = The hand is cold, white or blue
phone-flag-stays-out = The shoulder is out and stays out
phone-flag-deformity = The shoulder looks out of shape after a fall
phone-flag-infection = Fever, or the wound is red, open or wet
phone-flag-hand-numb = The hand or arm has gone numb or tingles
phone-flag-pop = I felt or heard a pop or a tear
phone-flag-new-weakness = The arm is suddenly much weaker

phone-waiting = { $count ->
    [one] One entry waits
   *[other] { $count } entries wait
} for a network. Nothing is lost.
phone-refused = { $count ->
    [one] One entry
   *[other] { $count } entries
} could not be taken. Tell us at your next appointment:
phone-offline = No network: this is what we last knew, from { $day }.
phone-write = Write to the clinic
phone-write-read = We read this { $hours }.
phone-write-some-day = We read this when the clinic is open.
phone-write-not-urgent = If something is wrong now, do not write: tap Stop, or call.
phone-write-words = Your words
phone-write-send = Send
phone-write-waits = waits for a network
phone-write-lost = could not be taken: tell us at your next appointment
phone-write-seen = read
phone-write-unseen = not read yet
phone-asked = You wrote about something that cannot wait until we read it.
phone-asked-seen = I have seen this
phone-hours = { $from } to { $until }
phone-days = { $first } to { $last }
phone-weekday-1 = Monday
phone-weekday-2 = Tuesday
phone-weekday-3 = Wednesday
phone-weekday-4 = Thursday
phone-weekday-5 = Friday
phone-weekday-6 = Saturday
phone-weekday-7 = Sunday
phone-always = Stop and call us, always
phone-emergency = In an emergency call the emergency number, not us. Nobody reads this page at night.
phone-month-1 = January
phone-month-2 = February
phone-month-3 = March
phone-month-4 = April
phone-month-5 = May
phone-month-6 = June
phone-month-7 = July
phone-month-8 = August
phone-month-9 = September
phone-month-10 = October
phone-month-11 = November
phone-month-12 = December
phone-date = { $day } { $month }
phone-always-1 = You feel or hear a pop, or the shoulder slips or feels about to slip.
phone-always-2 = Sharp pain, or a fall on the arm.
phone-always-3 = The arm is suddenly weaker, or your hand goes numb, cold or blue.
phone-always-4 = Fever, or a wound that is red, open or wet.
phone-always-now = Chest pain, trouble breathing, or a swollen calf or arm: call the emergency number now.
phone-call = Call { $name }:
phone-clinic = the clinic

phone-reminders = Reminders are on.
phone-no-reminders = End reminders
phone-reminders-ended = You get no more reminders. The clinic can turn them on again.
