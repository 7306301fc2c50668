# One sentence a rule. Arguments that name rows arrive as names.

rule-ceiling-pathway = The pathway allows { $quantity } up to { $ceiling } on this day.
rule-ceiling-pathway-none = The pathway does not allow { $quantity } yet.
rule-ceiling-free = No ceiling for { $quantity } any more: comfort is the guide.
rule-ceiling-surgeon = The surgeon’s limit: { $quantity } up to { $ceiling }.
rule-ceiling-release = Released by the surgeon: { $quantity } up to { $ceiling }.
rule-barred-until-week = Barred: { $quantity } opens after { $week } completed weeks (day { $opens-day }).

rule-flag-open = Red flag open: { $flag }. Record what was done before going on.
rule-flags-not-asked = { $count } red-flag questions have not been asked. Not asked is not no.
rule-no-clearance = No go-ahead by the surgeon on record: the shoulder is not moved.
rule-dose-impossible = { $field }: { $given } is outside { $min } to { $max }.
rule-not-in-pathway = This exercise does not belong to { $pathway }.
rule-phase-not-reached = Opens in the phase { $phase }, whose gate has not been passed.
rule-waits-for-gate = Waits for the gate to { $phase }; it does not run before that gate is passed.
rule-phase-too-early = Opens in the phase { $phase }, after { $week } completed weeks (day { $opens-day }).
rule-gate-week = Healing time: { $gate-class } after { $week } completed weeks (day { $opens-day }).
rule-allowance = { $level } work of the { $group } is not permitted yet (allowance from week { $week }).
rule-allowance-opens = { $level } work of the { $group } is not permitted yet; it opens after { $week } completed weeks (day { $opens-day }).
rule-allowance-later-phase = { $level } work of the { $group } is not permitted yet; a later phase opens it.
rule-allowance-never = { $level } work of the { $group } is not permitted in this pathway.
rule-effort-above = Isometric effort { $given } % is above the { $max } % permitted now.
rule-load-not-permitted = No weight and no elastic is permitted for the { $group } now: it would turn this into resisted work.
rule-load-above-light = Only light resistance (to 1 kg or level 2) is permitted for the { $group } now.
rule-no-allowance-yet = No muscle work is permitted on this day.
rule-forbidden-position = Forbidden before week { $week }: { $position }.
rule-no-room-below-ceiling = { $quantity } may go to { $ceiling }; this exercise needs at least { $needs } ({ $whose }).
rule-path-over-ceiling = The movement reaches { $peak } of { $quantity }, above the ceiling ({ $whose }).
rule-attitude-cannot = { $health }: this exercise is done that way.
rule-kit-missing = Not at hand: { $kit }.
rule-dose-outside-range = { $field } lies outside the reviewed range { $min } to { $max }.
rule-line-ends-before-start = The line ends on day { $to-day }, not after its start on day { $from-day }.
rule-unknown-exercise = There is no exercise { $exercise }.

rule-measurement-over-ceiling = { $quantity } { $value }: { $amount }° over { $whose } of { $ceiling } on day { $day }; { $inside ->
    [yes] inside the error of { $error }, still a breach.
   *[no] beyond the error of { $error }.
} { $surgeon ->
    [yes] Stop gaining there, ask what was done, and ask the surgeon.
   *[no] Stop gaining there, ask what was done, and measure again at this visit.
}
rule-limit-not-known-then = { $quantity } { $value } on day { $day }: a limit of { $ceiling } held then and was not known. No breach; measure again, nothing rests on it.
rule-breach-open = { $quantity } lies above its ceiling and that is not settled: nothing that gains there. It ends with a clinician’s measurement inside the ceiling or the surgeon’s answer.
rule-text-asks = The text says something that must be asked about: { $flag }.
rule-flag-fit-locked = A fit on day { $day }, and the arm is locked or does not turn out.
rule-measurement-below-floor = { $quantity } { $value }: below the { $floor } expected by now. More often, never harder; tell the surgeon.
rule-range-lost = { $quantity } fell from { $before } to { $value }. Measure again now.
rule-sudden-er-gain = { $quantity } rose by { $gain } in a short time, above its ceiling.
rule-active-beyond-passive = Active { $active } is beyond passive { $passive } by more than the error of { $error }: kept, not used.
rule-flag-active-passive-gap = Active { $active }, passive { $passive }: a gap of { $gap }.
rule-flag-active-loss = Active elevation fell to { $active } with passive { $passive } kept.

rule-lane-flag-open = { $flag }
rule-lane-flag-queried = To be asked: { $flag }
rule-lane-flag-back = No answer yet: { $flag }
rule-lane-flag-waits = Acted on, the answer is awaited: { $flag }
rule-lane-slip = A slip was felt on day { $day }.
rule-lane-gate-ready = { $gate }: all { $total } criteria met.
rule-lane-gate-due = { $gate }: { $met } of { $total } criteria met.
rule-lane-out-of-date = { $quantity } last measured on day { $day }.
rule-lane-never-measured = { $quantity } has not been measured.
rule-lane-quiet = On plan.

rule-later-no-rung = no rung of this ladder is open in this phase
rule-later-count = { $count } exercises at a time are enough here
rule-later-minutes = a session would take more than { $minutes } minutes
rule-later-nothing-passes = nothing of this ladder passes the safety check in this phase

rule-asks-all = all of these
rule-asks-any = one of these
rule-asks-at-least-k = at least { $k } of { $n }
rule-asks-measure = { $quantity } { $op } { $value }
rule-asks-measure-of-other = { $quantity } { $op } { $value } % of the other side ({ $bound })
rule-asks-score = { $score } { $op } { $value }/10
rule-asks-symptom-free = { $days } days without a slip
rule-asks-time = { $week } completed weeks (day { $day })
rule-asks-attested = { $code }
rule-asks-sessions-done = At least { $n } % of the planned sessions done in the last { $days } days
rule-asks-count = { $event } { $op } { $n } in { $days } days

rule-datum-measurement = { $value } on day { $day }
rule-datum-at-limit = at least { $value } on day { $day } (stopped at the limit)
rule-datum-over-ceiling = { $value } on day { $day }: above its ceiling, so never met
rule-datum-two-self-measurements = { $value } on day { $day }, measured at home twice
rule-datum-one-self-measurement = { $value } on day { $day }, measured at home once: a second measurement at least 3 days apart, or one in the room
rule-datum-other-side-missing = the other side has not been measured
rule-datum-score = { $value }/10 on day { $day }
rule-datum-log-too-short = the log does not cover { $days } days
rule-datum-no-slip = no slip logged
rule-datum-last-slip = last slip on day { $day }
rule-datum-day = today is day { $day }
rule-datum-attested = signed on day { $day }
rule-datum-nothing-logged = nothing logged in { $days } days: unlogged is not undone
rule-datum-sessions-done = { $value } % of the planned sessions done
rule-datum-count = { $event }: { $value }

# Examination and reading
rule-passive-spared = Not needed: active reaches { $active }.
rule-lane-not-examined = Not examined yet.
rule-lane-silent = A week without a word from home: the last was on day { $day }. Ask how it goes.
rule-lane-examined-long-ago = Examined { $days } days ago: examine again.
rule-lane-examined = Examined, nothing to decide.
rule-finding-on-sound-side = Own pain on the side that was called sound: was the side mixed up?
rule-barred-without-corridor = The pathway says nothing about { $quantity }, so it is not measured yet.
rule-test-over-ceiling = This takes { $quantity } to { $peak }, above today’s { $ceiling }.
rule-provoking-while-protected = { $quantity } still has a ceiling: no provoking tests until it is gone.
rule-finding-contradicted = Two people found different things today. Neither is used until one is withdrawn.
rule-stiff-says-nothing = Not interpretable: this shoulder has lost passive rotation and raising, and impingement signs are positive in it by themselves.
rule-finding-too-old = Found { $days } days ago: shown, no longer used.
rule-finding-not-done = Could not be done. That is never a no.
rule-needs-unmeasured-range = Needs { $quantity } of { $needs }, which has not been measured.
rule-needs-range = Not interpretable: it needs { $quantity } of { $needs }, and { $value } was measured.
rule-no-such-test = There is no such test.
rule-answer-of-another-kind = This answer belongs to another kind of test than { $test }.
rule-answer-outside = { $test }: { $given } is outside { $min } to { $max }.
rule-too-provoking = Left out while the shoulder is easily stirred up.
rule-word-shown = Shown by { $by }: the guessing is over.
rule-word-excluded = Excluded by { $by }: the guessing is over.
rule-word-no-tests = Nothing that speaks about it has been examined.
rule-word-one-test = Above 85 %, but on one informative test: that is never enough.
rule-word-interval-low = Above 85 %, but the interval reaches down to { $low } %, below { $bound } %.
rule-word-interval-high = Below 10 %, but the interval reaches up to { $high } %, above { $bound } %.
rule-groups-share = Signs of one person share causes across groups too: beside the strongest group, others that say the same count { $pct } %.
rule-word-likely = { $n } informative tests, and the interval ends no lower than { $low } %.
rule-word-unlikely = { $n } informative tests, and the interval ends no higher than { $high } %.
rule-word-between = Between { $low } % and { $high } %: neither likely nor unlikely.
rule-tests-conflict = { $test } speaks for it, { $other-test } against it.
rule-criterion-first = The range pattern of { $condition } comes first: a stiff shoulder makes these signs positive by itself.
rule-plane-lost = { $quantity }: { $value }, { $percent } % less than { $against }.
rule-film-arthritis = A radiograph shows arthritis.
rule-film-clear = A radiograph shows no arthritis.
rule-film-unknown = No radiograph on record.
rule-irritability-undetermined = { $n } of six votes: undetermined, worked with as moderate.
rule-irritability-three-highs = { $n } votes are high.
rule-irritability-pain-and-night = Worst pain of 7 or more with constant night pain.
rule-irritability-two-highs = Two votes are high: at least moderate.
rule-irritability-night = Constant night pain: at least moderate.
rule-irritability-ache = An ache of more than a day: at least moderate.
rule-irritability-median = The middle of { $n } votes, ties up.
rule-vote-dropped-surgery = Dropped: after an operation active is expected to lag behind passive.
rule-vote-dropped-weakness = Dropped: weakness explains the difference.
rule-vote-ranges-conflict = Active { $active } lies beyond passive { $passive }: measure both again; this vote waits.
rule-vote-no-ranges = Needs active and passive elevation.
rule-vote-from-ranges = Active { $active }, passive { $passive }.
rule-range-deficit = { $value } against { $bound } ({ $against }).
rule-total-rotation = Total rotation { $value }° at 90°, against { $bound }° on the other side.
rule-flag-answered-yes = Answered yes: { $flag }.
rule-flag-nerve-finding = Duller feeling over the deltoid on day { $day }: think of the axillary nerve.
rule-flag-locked-rotation = After an injury passive external rotation stops at { $value }: think of a locked dislocation. Two views are needed.
rule-flag-bone-loss = Fear of slipping already at 45° on day { $day }: think of bone loss, ask for imaging.
rule-flag-acute-tear = Active elevation { $active }, passive { $passive }, and { $test } of { $degrees }° after 40: imaging and a surgeon’s view within two weeks.
rule-summary-flag = Red flag open: { $flag }.
rule-summary-done = { $used } findings used, { $unused } kept and not used.
rule-summary-criterion = The criterion of { $condition } is met.
rule-summary-criterion-range = The range pattern of { $condition } is there; the radiograph is missing.
rule-summary-shown = Known: { $hypothesis }.
rule-summary-likely = Likely: { $hypothesis }, { $percent } % ({ $low } to { $high } %).
rule-summary-unlikely = Unlikely: { $hypothesis }, { $percent } % ({ $low } to { $high } %).
rule-summary-open = { $n } further hypotheses are open.
rule-summary-sign = Speaks for trouble: { $sign }.
rule-summary-irritability = Irritability: { $irritability }.
rule-summary-impairment = { $measure }: { $deficit }° missing ({ $percent } %).
rule-summary-caution = This supports clinical judgement and never replaces it. Local protocols and the surgeon’s orders come first.
rule-trace-impossible = { $n } samples cannot be a force.
rule-trace-time = The device’s clock ran backwards.
rule-trace-gap = Nothing came for { $seconds } s.
rule-trace-empty = No sample came.
rule-trace-no-push = No push was felt.
rule-trace-short = Shorter than { $seconds } s: no make test.
rule-strength-simulated = Measured by a simulated device: for trying out, not for a record.
rule-strength-few = { $n } of three trials.
rule-strength-unsteady = The trials differ by { $percent } %, more than { $limit } %: repeat.
rule-strength-pain-limited = Pain of { $pain } limits it: this is not strength.
rule-change-repeat-now = { $quantity } fell from { $before } to { $value }: measure again now.
rule-laxity-general = Generalised looseness: { $score } of 9, from { $limit } at this age. Looseness alone is not instability.
rule-laxity-usual = { $score } of 9: below the { $limit } of generalised looseness at this age.
rule-severity-incomplete = At least { $score } of 10: { $n } of { $of } questions answered.
rule-severity-low = { $score } of 10: about 5 % came out again after keyhole repair in the first series.
rule-severity-middle = { $score } of 10: about 10 % came out again after keyhole repair in the first series; later papers draw the line at 3 to 4.
rule-severity-high = { $score } of 10: about 70 % came out again after keyhole repair in the first series: a surgeon’s question.
rule-winging-nerve = Winging with no power behind it: think of the long thoracic nerve and refer.
rule-winging-opposing = Winging: levator and rhomboids are tight. Lengthen these first, then what rounds the shoulder; the serratus is strengthened in every case.
rule-winging-rounding = Winging with a rounded shoulder: lengthen what rounds it, then control and strength of the serratus.
rule-school-bridges = “{ $school }” bridges the days until a proper assessment: plan it this week, and stop at the first feeling that it slips.
rule-school-held-back = “{ $school }” is chosen and does not hold yet: “{ $test }” has to be on record and speak for it.
rule-sign-head-nods = The head helps the arm up: the load is too great or the neck too busy. Start lower and lighter, chin back, and look again.
rule-sign-blades-bunch = The blades are held together instead of turning up: leave the cue back and down, let them glide round the ribs.
rule-sign-shoulder-high = The shoulder lifts before the arm does: weak, guarded or stiff. Compare active with passive range and the push outward; raise only as high as it stays level.
rule-sign-hanging-gap = The deltoid may be quiet: test its power and the feeling over it today, and support the arm. Numb or without power: the nerve comes first.
rule-winging-control = Winging on the way down only: control first.
rule-winging-strength = Winging under load without tightness: strength of the serratus.
rule-touches-by-height = { $score } touches per inch of height.
rule-touch-power = { $score } kg·touches/s.
rule-pectoralis-short = Pectoralis minor index { $score }: short. Descriptive; it counts when correcting it changes something.
rule-pectoralis-usual = Pectoralis minor index { $score }: not short.

rule-side-difference = { $number } against { $whole } on the other side.
rule-score-too-few = { $missing } missing in this part, { $limit } may be: no score.
rule-angle-impossible = { $n } samples cannot be an angle.
rule-angle-not-held = No angle was held for { $seconds } s: read it yourself.

rule-elastic-drifted = { $percent } % at 100 % since it was last measured: above { $limit } % a band is worn or mixed up.
rule-elastic-old = Measured more than a year ago: measure it again.
rule-elastic-simulated = Points from the simulated gauge are kept and never used.
rule-elastic-default = Not measured by this clinic: { $force } N at 100 % is an assumption.
rule-load-isometric = Held against something that does not move: the effort is the dose, no moment is worked out.
rule-load-carried = { $percent } % of the arm is carried; assisted muscles are not silent.
rule-load-support = The hand carries { $percent } % of body weight.
rule-band-further-easier = Further away is easier here: the line of pull passes nearer to the shoulder. Go by the newtons, not by the steps.
rule-band-slack = The band is slack on { $percent } % of the way: 0 N there.
rule-band-long = Stretched to { $percent } %, above { $limit } %: nearer, or a longer band.
rule-band-beyond-measured = Beyond { $percent } % this band was not measured: the curve is a guess there.
rule-upper-arm-rests = The upper arm rests: only turning it has to be supplied.
rule-solve-too-much = Even the least gives { $least } N·m.
rule-solve-too-little = Even the most gives { $most } N·m.
rule-solve-not-here = This exercise has nothing of that kind to change.
rule-share-not-allowed = No share of strength while these muscles may not yet be loaded fully.
rule-share-no-moment = Nothing is asked at the shoulder here.
rule-share-no-test = No strength test of the same axis within 30° of the peak.
rule-share-pain = The matching strength test was limited by pain.

rule-class-unknown = { $pathway } says nothing about { $gate-class }: it is not done until somebody does.
rule-class-never = Not used here: { $gate-class } ({ $whose }).
rule-class-clinician = Only a clinician opens { $gate-class } here, with a reason ({ $whose }).
rule-class-waits-for-phase = { $gate-class } opens in a later phase.
rule-clinician-opens = Only a clinician opens this exercise here, with a reason.
rule-helper-arm-protected = The other arm would carry this one{ $asks-kg ->
    [0] {""}
   *[other] {" "}(about { $asks-kg } kg)
}; it may carry { $may-kg } kg now. Take a movement that needs no arm, such as a bowing slide, or ask who can help at home.
rule-school-leaves-out = Left out by the chosen school: { $school }.
rule-forbidden-position-phase = Forbidden in this phase: { $position }.
rule-barred-until-phase = Barred: { $quantity } opens in a later phase.
rule-rest-48-hours = Slow lowering and quick work need 48 hours between: { $days } days a week is more than every other day.

rule-asks-strength = { $strength }: { $op } { $value } % of the other side
rule-asks-ratio = { $strength } against { $other-strength }: { $op } { $value } %
rule-datum-strength = { $value } % on day { $day }
rule-datum-strength-few = fewer than three sound pushes on day { $day }
rule-datum-other-side-no-measure = the other side may not serve as a measure

rule-need-job = Work asks for it: { $need }.
rule-need-goal = For “{ $task }”, now { $score }/10: { $need }.
rule-why-by-hand = Made or changed by hand.
rule-why-goal = Goal { $place } of the phase { $phase }.
rule-later-day-minutes = the { $minutes } minutes of a day are full; { $instead } stands there
rule-later-not-worth = it would add less than the minutes it takes
rule-volume-front-heavy = More work for the front ({ $front } repetitions a week) than for the back ({ $back }): pushers are strong in front and weak behind.
rule-week-after-slow = { $exercise } was the day before: after slow lowering, leave a day without resisted work for the same muscles.
rule-week-over-minutes = { $minutes } minutes on this day are more than the { $max } the patient has.
rule-volume-over-minutes = { $minutes } minutes a day are more than the { $max } the patient has.

rule-input-session = Day { $day }: { $sessions ->
    [one] 1 session
   *[other] { $sessions } sessions
}{ $repetitions ->
    [one] {""}
   *[other] {" "}of { $repetitions } repetitions
}; pain { $pain }, next morning { $morning }
rule-input-adherence = { $percent } % of the planned sessions over 14 days
rule-input-adherence-lately = { $percent } % of the planned sessions in the last { $days } days
rule-input-baseline = Usual morning pain { $pain }/10
rule-stop-flag = Red flag: { $flag }. Nothing goes on before it is dealt with.
rule-stop-slip-worse = A slip worse than usual on day { $day }: { $how }. Ask the surgeon or a doctor.
rule-stop-slip-usual = Slipped ({ $count } this week), no more than usual: stop this one, then one stage back at half load. Breathing and posture go on.
rule-stop-slip = Slipped ({ $count } this week): stop, find out why before anything goes on.
rule-hold-unlogged = Nothing logged for { $days } days. Unlogged is not undone: ask, and note what was left out.
rule-silence-one-rung = Nothing known for { $days } days: ask first. When nobody can say, one rung down.
rule-silence-two-rungs = Nothing known for { $days } days: ask first. When nobody can say, two rungs down, and test again.
rule-gap-lower-half = Left out for { $days } days: the same rung, the lower half of its range.
rule-gap-one-rung = Left out for { $days } days: one rung down.
rule-gap-two-rungs = Left out for { $days } days: two rungs down, and test again.
rule-back-mornings = On { $count } of the last mornings pain was at least { $points } above the usual { $pain }/10.
rule-back-pain-above = Pain above { $max }/10 during, { $count } sessions running.
rule-back-flares = { $count } bad days in a week.
rule-ease-flare = A bad day: { $sets } sets of { $repetitions } today, lighter. It ends by itself and changes nothing.
rule-ease-flare-timed = A bad day: { $sets } sets of { $seconds } s today, lighter. It ends by itself and changes nothing.
rule-ease-flare-nearer = A bad day: stand { $nearer-m } m nearer{ $repetitions ->
    [one] {""}
   *[other] , { $repetitions } repetitions
} today. It ends by itself and changes nothing.
rule-ease-flare-newtons = A bad day: stand { $nearer-m } m nearer, { $eased-n } N instead of { $usual-n } N{ $repetitions ->
    [one] {""}
   *[other] , { $repetitions } repetitions
} today. It ends by itself and changes nothing.
rule-ease-flare-arc = A bad day: a smaller arc, { $repetitions } repetitions today. It ends by itself and changes nothing.
rule-hold-over-ceiling = { $quantity } was measured above its ceiling: nothing goes on in that direction.
rule-hold-stiff = { $quantity } is below what is expected: more often, never harder; tell the surgeon.
rule-hold-nothing-logged = Nothing was logged: unknown is not good.
rule-hold-left-hurt = Left out on day { $day } because it hurt, and not done since: ask first.
rule-hold-sore = Pain { $pain }/10 during on day { $day }, above { $max }/10: less load.
rule-hold-morning = Pain { $pain }/10 the morning of day { $day }, usual is { $baseline }/10: less load.
rule-hold-overdone = { $done } sessions in a week where { $planned } were planned: more is not better.
rule-hold-overdone-day = { $done } sessions on day { $day } where { $planned ->
    [one] one was planned
   *[other] { $planned } were planned
}: at most { $most } there. More is not better.
rule-hold-adherence = { $percent } % of the sessions were done; { $least } % are needed before anything goes on.
rule-hold-symptom-free = { $days } days without a slip are needed first.
rule-hold-no-pain-answer = Pain during day { $day } was not answered: unknown is not settled.
rule-hold-no-morning-answer = Pain on the morning of day { $day } was not answered: unknown is not settled.
rule-hold-not-yet = { $done } of { $needed } whole and quiet sessions in a row.
rule-hold-next-waits = At the top of its range; the next rung waits.
rule-hold-ladder-end = At the top of its range and of its ladder.
rule-next-rung = { $needed } whole and quiet sessions in a row at the top of the range.
rule-progress-dose = { $needed } whole and quiet sessions in a row.
rule-instead-next-rung = the range is full, so the next rung comes first
rule-instead-stronger-elastic = so many repetitions may already be done with the next elastic
rule-instead-more = more of this rung comes first
rule-not-at-top = the range of this rung is not full
rule-lane-step-back = { $exercise }: stop or step back ({ $count } in all)
rule-lane-steps-ready = { $count } exercises may go on
rule-say-stop = Stop this exercise and call us.
rule-say-step-back = Go back to { $next } for now. This is normal and does not last.
rule-say-ease = Take it easy today: less of it. Today does not count.
rule-say-sore = Do less of it until it is quiet again.
rule-say-stiff = Do it more often, not harder.
rule-say-unknown = Keep going as it is, and tell us how it was, also the next morning.
rule-say-stay = Keep going as it is. It is too early for more.
rule-say-more = You may do a little more of it.
rule-say-next = You may go on to { $next }.
rule-flag-slip-grave = Logged on day { $day }: the joint stays out, or the hand is numb.

# What a pathway watches for
rule-asks-change = change of { $quantity } { $op } { $value } within { $days } days
rule-asks-score-change = change of { $score } { $op } { $value } points within { $days } days
rule-asks-lag-gain = gain of a lag { $op } { $value }°
rule-datum-change = { $by ->
    [0] no change
   *[other] changed by { $by }
  }, last on day { $day }
rule-flag-pathway-stop = { $watch }: { $tell } to look first.
rule-lane-watch = { $watch }.
rule-back-watch = { $watch }: one rung back.
rule-hold-watch = { $watch }: nothing gets harder.
rule-lane-gate-unmeasured = { $count ->
    [one] One number that the gate { $gate } asks for is missing or out of date.
   *[other] { $count } numbers that the gate { $gate } asks for are missing or out of date.
  }

rule-event-measurement = { $quantity }, { $side }: { $value } ({ $stop }){ $over ->
    [yes] , above the ceiling of { $ceiling }
   *[other] {""}
}
rule-event-finding = { $test }, { $side }: { $kind ->
    [could_not] could not be done
    [number] { $value }
   *[word] { $found }
}
rule-event-exam-note = { $kind ->
    [pathway_kept] Pathway kept: { $pathway }
    [injection] Injection: { $injected }
    [pre_test] Own pre-test value: { $hypothesis }
    [known] Seen by { $by }: { $hypothesis }
    [try_out] Tried out: { $exercise }
    [response] Before and after: { $subject }
    [instability] { $severity }
   *[irritability] Irritability: { $vote }
}
rule-event-strength-trial = { $strength }, { $side }: { $peak-n } N
rule-event-outcome-sheet = { $instrument } filled in
rule-event-score = { $score }: { $value }/10
rule-event-attestation = { $code }: { $holds ->
    [yes] attested
   *[no] found not to be so
}
rule-event-log = { $kind ->
    [done] { $exercise }: { $sessions } times{ $repetitions ->
        [one] {""}
       *[other] {" "}with { $repetitions } repetitions
    }
    [left_out] { $exercise }: left out{ $how ->
        [hurt] , it hurt
        [tired] , too tired or unwell
        [no_time] , no time
        [no_kit] , something was missing
        [unsure] , not sure how it is done
       *[unsaid] {""}
    }
    [pain_before] Pain before exercise: { $value }/10
    [pain_during] Worst pain during exercise: { $value }/10
    [pain_next_morning] Pain the next morning: { $value }/10
    [slip] It felt like slipping
    [slip_worse] A slip that was worse than usual
    [flare_day] A bad day
   *[effort] How hard it felt: { $value }/10
}
rule-event-limit = Limit: { $quantity } up to { $ceiling }
rule-event-limit-end = End of a limit confirmed
rule-event-flag-answer = { $flag }: { $answer }
rule-event-flag-step = { $flag }: { $step ->
    [acted] acted on, { $who } told
    [answered] answered by { $who }
   *[mistake] entered by mistake
}
rule-event-flag-raised = Raised by a rule: { $flag }
rule-event-breach-answer = The answer to a measurement above the ceiling ({ $role })
rule-event-story = The story
rule-event-note = Visit note, signed
rule-event-home-message = Message from home
rule-event-home-read = What was told from home was read
rule-event-decision = { $exercise }: { $answer }
rule-event-program-signed = Program signed, version { $version }
rule-event-gate-pass = Gate passed: { $gate }
rule-event-line-step = { $exercise }: { $step }
rule-event-episode-end = Episode ended: { $end }
rule-event-episode-reopened = Episode opened again
rule-event-person-corrected = Name or birth date corrected
rule-event-taken-back = Taken back

rule-stiff-pattern-first = Stiff pattern, radiograph outstanding: impingement signs are positive by themselves in such a shoulder, so this is withheld.
rule-pathway-against-stiffness = Passive external rotation and { $count } movements are lost: a stiff pattern, radiograph outstanding. This pathway is for subacromial pain. Choose another, or say why it is kept, before anything is built.
rule-pathway-against-criterion = The criterion of { $condition } holds. This pathway is for subacromial pain. Choose another, or say why it is kept, before anything is built.
rule-quick-with-health = { $health }: a fall or a knock does more harm, quick work needs a reason.
rule-after-injection = A steroid was injected less than { $days } days ago: resisted work rests until day { $day }, and pain tells less than usual.
rule-short-plan = { $percent } % of the planned sessions were done, { $least } % are needed. { $count } exercises in { $minutes } minutes are done more often than a long list: try a short plan.
rule-dates-wait-for-sessions = { $percent } % of the planned sessions were done and the next gate asks for { $least } %: with every session from today on that is reached on { $day-day } at the earliest, so the dates are later.
rule-event-contact = Contact { $how ->
    [telephone] by telephone
    [video] by video
   *[room] in the room
}
rule-event-appointment = Appointment on { $day } at { $at-time }, { $minutes } minutes, { $how ->
    [telephone] by telephone
    [video] by video
   *[room] in the room
}
rule-event-home-hours = Exercises at home:{ $d1 ->
    [yes] {" "}Mon
   *[no] {""}
}{ $d2 ->
    [yes] {" "}Tue
   *[no] {""}
}{ $d3 ->
    [yes] {" "}Wed
   *[no] {""}
}{ $d4 ->
    [yes] {" "}Thu
   *[no] {""}
}{ $d5 ->
    [yes] {" "}Fri
   *[no] {""}
}{ $d6 ->
    [yes] {" "}Sat
   *[no] {""}
}{ $d7 ->
    [yes] {" "}Sun
   *[no] {""}
}{ $hours ->
    [0] {""}
   *[other] , at { $times }
}
rule-event-care = { $who ->
    [none] Nobody treats this shoulder for now
   *[other] { $who } treats this shoulder
}
rule-event-week-use = Seven days at home: { $how ->
    [all] as planned
    [half] about half
   *[hardly] hardly
}
rule-slipped-lately = A lax shoulder that slipped lately: no number of negative signs makes this unlikely.
