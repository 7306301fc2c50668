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
rule-effort-above = Isometric effort { $given } % is above the { $max } % permitted now.
rule-load-not-permitted = No weight and no elastic is permitted for the { $group } now: it would turn this into resisted work.
rule-load-above-light = Only light resistance (to 1 kg or level 2) is permitted for the { $group } now.
rule-no-allowance-yet = No muscle work is permitted on this day.
rule-forbidden-position = Forbidden before week { $week }: { $position }.
rule-no-room-below-ceiling = { $quantity } may go to { $ceiling }; this exercise needs at least { $needs } ({ $whose }).
rule-path-over-ceiling = The movement reaches { $peak } of { $quantity }, above the ceiling ({ $whose }).
rule-kit-missing = Not at hand: { $kit }.
rule-dose-outside-range = { $field } lies outside the reviewed range { $min } to { $max }.
rule-line-ends-before-start = The line ends on day { $to-day }, not after its start on day { $from-day }.
rule-unknown-exercise = There is no exercise { $exercise }.

rule-reading-over-ceiling = { $quantity } { $value }: above { $whose }. Measure again, stop gaining, ask what was done.
rule-reading-below-floor = { $quantity } { $value }: below the { $floor } expected by now. More often, never harder; tell the surgeon.
rule-range-lost = { $quantity } fell from { $before } to { $value }. Measure again now.
rule-sudden-er-gain = { $quantity } rose by { $gain } in a short time, above its ceiling.
rule-active-beyond-passive = Active { $active } is beyond passive { $passive } by more than the error of { $error }: kept, not used.
rule-note-contradicts-no = The story says “{ $word }”, but this was answered no. Ask again.
rule-flag-active-passive-gap = Active { $active }, passive { $passive }: a gap of { $gap }.
rule-flag-active-loss = Active elevation fell to { $active } with passive { $passive } kept.

rule-lane-flag-open = { $flag }
rule-lane-flag-queried = To be asked again: { $flag }
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
rule-asks-count = { $event } { $op } { $n } in { $days } days

rule-datum-reading = { $value } on day { $day }
rule-datum-at-limit = at least { $value } on day { $day } (stopped at the limit)
rule-datum-over-ceiling = { $value } on day { $day }: above its ceiling, so never met
rule-datum-two-self-readings = { $value } on day { $day }, measured at home twice
rule-datum-one-self-reading = { $value } on day { $day }, measured at home once: a second reading at least 3 days apart, or one in the room
rule-datum-other-side-missing = the other side has not been measured
rule-datum-score = { $value }/10 on day { $day }
rule-datum-log-too-short = the log does not cover { $days } days
rule-datum-no-slip = no slip logged
rule-datum-last-slip = last slip on day { $day }
rule-datum-day = today is day { $day }
rule-datum-attested = signed on day { $day }
rule-datum-nothing-logged = nothing logged in { $days } days: unlogged is not undone
rule-datum-count = { $event }: { $value }
