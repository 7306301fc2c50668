# The examination.

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
from-to = { $min } to { $max }
found-today = Today:
found-on = { $date }:
again-same = the same again
other-side-found = Other side:
same-here = the same here
speaks-about = Speaks about

read-operated-lead = An operated shoulder is examined within its protection and read as a state, not as probabilities.

examine-strength = Strength

examine-scores = Scores
