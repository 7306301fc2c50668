# Strength.

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

trace-again = Draw this push again
