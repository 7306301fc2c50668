# The handout and the calendar: reading age about 11, no degrees, no newtons.

paper-title = Your shoulder program
paper-for = For { $name }
paper-date = { $day } { $month } { $year }
paper-day = { $weeks ->
    [one] 1 week
   *[other] { $weeks } weeks
} and { $days ->
    [one] 1 day
   *[other] { $days } days
} since your operation
paper-day-injury = { $weeks ->
    [one] 1 week
   *[other] { $weeks } weeks
} and { $days ->
    [one] 1 day
   *[other] { $days } days
} since your injury
paper-day-program = { $weeks ->
    [one] 1 week
   *[other] { $weeks } weeks
} and { $days ->
    [one] 1 day
   *[other] { $days } days
} into your program
paper-signed = Made with you at { $clinic } on { $date }, version { $version }
paper-signed-plain = Made with you on { $date }, version { $version }
paper-call = Call us: { $text }.
paper-call-hours = Somebody answers: { $text }.
paper-arm-works = This arm works.
paper-arm-helps = This arm helps a little. The other arm does most.
paper-arm-rests-other = This arm rests. The other arm works.
paper-arm-rests-body = This arm rests. Your body moves it.
paper-arm = { $arm ->
    [operated] Operated arm: { $side }
    [slipped] The arm that slipped: { $side }
   *[sore] Sore arm: { $side }
}. Tinted in the drawings. The other arm is hatched.
paper-limits = Your limits today
paper-avoid = Not yet
paper-habits = Every day
paper-avoid-none = Nothing else is held back.
paper-sling = Sling
paper-sling-all = Wear it day and night until { $date }. Take it off only to wash, dress and exercise.
paper-sling-nights = Wear it at night and in crowds until { $date }. By day, wean off it at home first.
paper-sling-none = No sling any more.
paper-stop = Stop and call us
paper-stop-1 = You feel or hear a pop, or the shoulder slips or feels about to slip.
paper-stop-2 = Sharp pain, or a fall on the arm.
paper-still-worse = Still worse the next morning? Take it easier that day and tell us.
paper-stop-3 = The arm is suddenly weaker, or your hand goes numb, cold or blue.
paper-stop-4 = Fever, or the wound is red, open or wet.
paper-stop-4-plain = Fever, or you feel ill.
paper-stop-blade = New pain on the top or at the back of the shoulder blade.
paper-stop-now = Chest pain, trouble breathing, or a swollen calf or arm: call the emergency number now.
paper-pain = { $max ->
    [0] It should not hurt. Make it smaller or lighter until it does not.
   *[other] A little discomfort (up to { $max } out of 10) is all right if it is gone within { $hours ->
        [one] an hour
       *[other] { $hours } hours
    }.
}
paper-pain-morning = Some pain (up to { $max } out of 10) is all right if it is as usual again by the next morning.
paper-pain-quick = Throws, catches and other quick work: no more than { $max } out of 10.
paper-circuit = one round of each exercise, then again from the first
paper-single = one at a time, each as good as you can, with a breath between
paper-exercises = Your exercises from { $from } to { $until }
paper-dose = { $sets ->
    [one] { $sets } round
   *[other] { $sets } rounds
} of { $repetitions }
paper-dose-timed = { $sets ->
    [one] { $sets } round
   *[other] { $sets } rounds
} of { $seconds } seconds
paper-dose-minutes = { $sets ->
    [one] { $sets } round
   *[other] { $sets } rounds
} of { $minutes } minutes
paper-tempo = slowly: { $out } seconds there, { $pause ->
    [0] {""}
   *[other] hold { $pause },{" "}
}{ $back } seconds back
paper-hold = hold { $hold } seconds each
paper-rest = rest { $rest } seconds between rounds
paper-times = { $times ->
    [one] once a day
   *[other] { $times } times a day
}
paper-days = { $days ->
    [7] every day
   *[other] { $days } days a week
}
paper-load = { $load } kg in your hand
paper-elastic = elastic level { $level }
paper-elastic-named = elastic level { $level }, { $label }
paper-distance = stand { $metres } m from there, about { $shoes }
paper-shoe-half = half a shoe length
paper-shoes = { $shoes ->
    [one] one shoe length
   *[other] { $shoes } shoe lengths
}
paper-anchor = fixed { $height ->
    [floor] at the floor
    [ankle] at ankle height
    [knee] at knee height
    [waist] at waist height
    [elbow] at elbow height
    [shoulder] at chest height
    [eye] at eye height
   *[overhead] above your head
} { $side ->
    [front] ahead of you
    [rear] behind you
    [same] on the side of this arm
    [opposite] on the other side
    [front_opposite] ahead on the other side
   *[rear_same] behind you on the side of this arm
}
paper-landmark-shown = as you were shown: { $words }
paper-anchor-under = under your foot
paper-from-slack = Begin with the elastic slack, the shoulder not drawn forward.
paper-effort-least = press as lightly as you would hold a grape
paper-effort-light = press lightly, with less than half of your strength
paper-effort-half = press with about half of your strength
paper-effort-firm = press firmly, as long as it does not hurt more
paper-effort-full = press as hard as you can without more pain
paper-bad-day = A bad day
paper-bad-day-text = Do less, not nothing. What to do instead stands with each exercise. A bad day is no step back.
paper-easier = Bad day: { $easier }
paper-nearer = stand { $metres } m nearer, about { $shoes }
paper-less-far = go less far
paper-watch = Watch out for: { $faults }.
paper-task = Helps with: { $task }
paper-kit = You need
paper-advice = Good to know
paper-may = May I …? Ask us first
paper-may-not-before = { $what }: not before { $date }
paper-kit-none = Nothing special.
paper-safety = This sheet supports the advice of your physiotherapist and surgeon. It does not replace it. If they tell you something different, do what they say.
paper-page = Page
paper-no-lines = There are no exercises for this week. Ask your physiotherapist.

landmark-elevation-ribs = Elbow no higher than your lower ribs
landmark-elevation-chest = Elbow no higher than the middle of your chest
landmark-elevation-shoulder = Elbow no higher than your shoulder
landmark-elevation-mouth = Elbow no higher than your mouth
landmark-elevation-eyes = Elbow no higher than your eyes
landmark-elevation-crown = Elbow no higher than the top of your head
landmark-elevation-free = As far up as is comfortable
landmark-elevation-none = Do not lift this arm, even with help
landmark-rotation-5 = Forearm no further out than straight ahead
landmark-rotation-35 = Hand a hand’s width out from straight ahead, no further
landmark-rotation-50 = Forearm half-way out to the side, no further
landmark-rotation-free = Turn out as far as is comfortable
landmark-rotation-none = Do not turn this forearm outward
landmark-active-none = Do not lift this arm by its own strength
landmark-behind-none = Do not reach behind your back
limit-passive-elevation = Lifted by the other arm, stick or table
limit-passive-er-side = Turning the forearm outward, elbow at your side
limit-active-elevation-lying = Lifting by itself, lying down
limit-active-elevation-upright = Lifting by itself, standing
limit-hand-behind-back = Reaching behind your back
landmark-behind-2 = To the back pocket, no further
landmark-behind-6 = To the waistband, no further
landmark-behind-free = As far as is comfortable

calendar-session = Shoulder exercises
calendar-line-timed = { $exercise }: { $sets } × { $duration-s } s{ $times-per-day ->
    [0] {""}
    [one] , once
    [2] , twice
   *[other] , { $times-per-day } times
}
calendar-line = { $exercise }: { $sets } × { $repetitions }{ $hold-s ->
    [0] {""}
   *[other] , hold { $hold-s } s
}{ $times-per-day ->
    [0] {""}
    [one] , once
    [2] , twice
   *[other] , { $times-per-day } times
}
calendar-session-text = { $count ->
    [one] { $count } exercise
   *[other] { $count } exercises
}:
    { $list }
    Stop if it slips, pops or hurts sharply.
calendar-appointment = Appointment for your shoulder
calendar-appointment-room = At the clinic.
calendar-appointment-telephone = By telephone: we call you.
calendar-appointment-video = By video.
calendar-gate = Shoulder check: perhaps one step further
calendar-gate-text = Earliest day. It opens only when the checks are passed too.
calendar-limit = Your limit may change: ask before you go further
calendar-name = Ritorno: shoulder program
paper-waits = Not yet at home: we try these together first

paper-week = Tick what you have done (–: not on that day)
paper-weekday-1 = Mon
paper-weekday-2 = Tue
paper-weekday-3 = Wed
paper-weekday-4 = Thu
paper-weekday-5 = Fri
paper-weekday-6 = Sat
paper-weekday-7 = Sun
paper-on-days = On { $days }
paper-hours = Your hours for this: { $hours }
paper-next = Your next appointment: { $date } at { $time }
paper-start = Start
paper-end = End
paper-code = Your program on your telephone: point its camera here. You need your birth date.

paper-phase-protect = Now we keep the shoulder safe so that it can heal.
paper-phase-protected-passive = Now the arm is moved for you, inside your limits, so that it stays supple.
paper-phase-assisted-to-active = Now your own arm begins to help, a little more each week.
paper-phase-early-strength = Now the shoulder learns to work against light loads.
paper-phase-late-strength = Now the shoulder gets stronger, step by step.
paper-phase-return = Now you go back to your own work and play, step by step.
paper-phase-active = Now your arm moves by its own strength.
paper-phase-active-light = Now your arm moves by itself and works against very light loads.
paper-phase-assisted = Now your other arm helps this one to move.
paper-phase-assisted-active = Now your arm moves with help, and then by itself.
paper-phase-ballistic = Now the shoulder learns quick work.
paper-phase-base-check = Now we look at what the shoulder can do.
paper-phase-build = Now we build up strength, step by step.
paper-phase-calm = Now we let the shoulder settle.
paper-phase-calm-blade = Now we let the shoulder settle and teach the shoulder blade to move well.
paper-phase-calm-motion = Now we let the shoulder settle and keep it moving.
paper-phase-calm-passive = Now we let the shoulder settle, and it is moved for you.
paper-phase-control = Now the shoulder learns to move well, without haste.
paper-phase-early-motion = Now the shoulder begins to move again, a little at a time.
paper-phase-eccentric = Now the shoulder gets stronger by letting loads down slowly.
paper-phase-flexibility = Now we make the shoulder more supple.
paper-phase-full-active = Now your arm moves by itself, as far as it comfortably can.
paper-phase-function = Now we train what you need each day.
paper-phase-heavy = Now the shoulder learns heavier work, and work above the head.
paper-phase-integrate = Now we put the parts together into whole movements.
paper-phase-interval = Now you go back to your sport or work, a bit at a time with rest between.
paper-phase-irritable = Now we let the shoulder settle first.
paper-phase-keep = Now we keep what you have reached.
paper-phase-learn = Now you learn what is good for your shoulder.
paper-phase-light-strength = Now the shoulder begins to work against light loads.
paper-phase-loading = Now the shoulder gets used to loads, step by step.
paper-phase-low-range = Now we train with the arm low.
paper-phase-maintain = Now we keep what you have reached.
paper-phase-mid-range = Now we train in the middle of the movement, away from both ends.
paper-phase-mid-range-strength = Now the shoulder gets stronger in the middle of the movement.
paper-phase-motion = Now we get the movement back.
paper-phase-motion-control = Now we get the movement back, and you learn to steer it.
paper-phase-overhead-heavy = Now the shoulder learns heavier work, and work above the head.
paper-phase-passive-assisted = Now the arm is moved for you, and then with your help.
paper-phase-plyometric = Now the shoulder learns quick work.
paper-phase-protect-passive = Now we keep the shoulder safe, and it is moved for you.
paper-phase-protected-motion = Now the shoulder moves inside safe limits.
paper-phase-re-educate = Now the shoulder learns again how to move.
paper-phase-restore = Now we get the movement back.
paper-phase-return-limited = Now you go back to what this shoulder can do well.
paper-phase-safe-range = Now we move where it is safe.
paper-phase-self-manage = Now you look after the shoulder yourself.
paper-phase-specific = Now we train for your own sport and work.
paper-phase-stiff = Now we get the movement back, slowly and often.
paper-phase-strength = Now the shoulder gets stronger.
paper-phase-strength-90 = Now the shoulder gets stronger up to the height of the shoulder.
paper-phase-thawing = Now the movement comes back, and we help it along.
