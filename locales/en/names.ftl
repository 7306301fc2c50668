# Names of rows: looked up as <argument>-<id>.

pathway-cuff-repair-small-medium = Small to medium cuff repair

phase-protect = Protect
phase-protected-passive = Protected passive
phase-assisted-to-active = Assisted to active
phase-early-strength = Early strength
phase-late-strength = Late strength
phase-return = Return

gate-to-protected-passive = to Protected passive
gate-to-assisted = to Assisted to active
gate-to-early-strength = to Early strength
gate-to-late-strength = to Late strength
gate-to-return = to Return

quantity-passive-elevation = passive elevation
quantity-passive-er-side = passive external rotation at the side
quantity-passive-ir-side = internal rotation to the belly
quantity-active-elevation-lying = active elevation, lying
quantity-active-elevation-upright = active elevation, upright
quantity-passive-er-90 = passive external rotation at 90°
quantity-hand-behind-back = hand behind back
quantity-horizontal-adduction = horizontal adduction

short-passive-elevation = Passive elevation
short-passive-er-side = Passive ext. rotation
short-passive-ir-side = Int. rotation to belly
short-active-elevation-lying = Active elevation, lying
short-active-elevation-upright = Active elevation, upright
short-passive-er-90 = Ext. rotation at 90°
short-hand-behind-back = Hand behind back
short-horizontal-adduction = Horizontal adduction

position-supine = lying on the back
position-supine-towel = lying, elbow on a towel
position-supine-abducted = lying, arm out to 90°
position-standing = standing

group-cuff = rotator cuff
group-subscapularis = subscapularis
group-deltoid = deltoid
group-biceps = biceps
group-triceps = triceps
group-pec-lat = pectoral and latissimus
group-scapular = shoulder-blade muscles
group-distal = hand and forearm

level-none = none
level-passive = passive
level-assisted = active-assisted
level-active = active
level-isometric = isometric
level-resisted-light = light resistance
level-resisted = resistance
level-eccentric = eccentric
level-ballistic = fast

position-reach-behind = reaching behind the body
position-across-body = arm across the body
position-lean-on-arm = leaning on the arm
position-hanging-load = a load hanging from the arm

gate-class-hand-active = hand exercises
gate-class-elbow-active = elbow exercises
gate-class-neck-posture = neck and posture work
gate-class-scapular-setting = shoulder-blade setting
gate-class-scapular-light-load = light shoulder-blade load
gate-class-pendulum = pendulum work
gate-class-passive-elevation-supported = supported passive elevation
gate-class-assisted-elevation-upright = assisted elevation
gate-class-passive-er-side = passive external rotation at the side
gate-class-er-abducted = external rotation with the arm raised
gate-class-assisted-ir = assisted internal rotation
gate-class-hand-behind-back = hand-behind-back work
gate-class-end-range-stretch = end-range stretches
gate-class-isometric-er-abduction-flexion = isometric rotation and flexion
gate-class-isometric-abduction = isometric abduction
gate-class-isometric-ir-adduction-extension = isometric internal rotation
gate-class-active-elevation-supported = active elevation lying
gate-class-active-elevation-upright = active elevation upright
gate-class-active-rotation = active rotation
gate-class-resisted-er-side = resisted external rotation
gate-class-resisted-ir-side = resisted internal rotation
gate-class-resisted-elevation-below-shoulder = resisted elevation below the shoulder
gate-class-resisted-elevation-above-shoulder = resisted elevation above the shoulder
gate-class-resisted-row = resisted rows
gate-class-protraction = reaching and punching
gate-class-weight-bearing-wall = weight through the hand

kit-ball = soft ball
kit-bed = bed
kit-cloth = cloth
kit-elastic = elastic
kit-pulley = pulley
kit-stick = stick
kit-table = table
kit-towel = towel
kit-wall = wall
kit-weight = small weight

purpose-settle = Settle
purpose-move = Move
purpose-control = Control
purpose-strengthen = Strengthen
purpose-load = Load
purpose-return = Return

ladder-hand-elbow = Hand and elbow
ladder-posture = Posture and neck
ladder-shoulder-blade = Shoulder blade
ladder-blade-lift = Shrug and roll
ladder-pendulum = Pendulum
ladder-assisted-elevation = Assisted elevation
ladder-table-slide = Table slide
ladder-assisted-external-rotation = Assisted external rotation
ladder-internal-rotation-reach = Internal rotation reach
ladder-wall-slide = Wall slide
ladder-active-elevation = Active elevation
ladder-external-rotation = External rotation
ladder-internal-rotation = Internal rotation
ladder-isometric = Isometric
ladder-reach-and-push = Reach and push
ladder-row = Row
ladder-raise-strength = Raise with weight

stop-pain = pain
stop-stiff = stiff
stop-weak = weak
stop-slipping = slipping
stop-at-limit = at the limit

side-left = left
side-right = right

score-rest-pain = pain at rest
score-task-pain = pain in daily tasks below the shoulder

code-wound-closed = wound closed and dry
code-no-guarding = lies heavy, no guarding, in the lying lift
code-clean-lowering = lowers ten times without a hitch of the shoulder
code-isometric-er-quiet = isometric external rotation at most 2/10
code-clean-raise-1kg = raises 1 kg twelve times cleanly
code-er-force-60-pct = external-rotation force at least 60 % of the other side
code-surgeon-agrees-no-test = surgeon agrees to go on without a force test
code-surgeon-agrees-load = surgeon agrees to heavy or overhead load

event-slip = slips
event-over-ceiling = readings above the ceiling
event-sessions-done-pct = sessions done, %
event-pain-above-mode = days with pain above 2/10

op-at-least = at least
op-at-most = at most

whose-ceiling-surgeon = the surgeon’s limit
whose-ceiling-release = the surgeon’s release
whose-ceiling-pathway = the pathway
whose-ceiling-pathway-none = the pathway (not open yet)
whose-ceiling-free = no ceiling

field-birth = Date of birth
field-day0 = Day 0
field-given-name = Given name
field-family-name = Family name
field-ceiling = Up to
field-floor = At least
field-until-day = Until day
field-mechanism = What happened
field-pathway = Procedure
field-clearance = Go-ahead
field-action = What was done

health-diabetes = Diabetes
health-nicotine = Nicotine
health-steroid-use = Steroid use
health-age-over-70 = Older than 70
health-anticoagulants = Blood thinners
health-inflammatory-arthritis = Inflammatory arthritis
health-osteoporosis = Osteoporosis

precaution-no-active-use = No active use of the shoulder
precaution-no-lifting = No lifting; a phone or cup at the table, elbow at the side
precaution-no-leaning = No leaning on the arm
precaution-no-lying-on-side = No lying on that side
precaution-no-reach-behind = No reaching behind the back
precaution-cup-only = Lift no more than a cup, below the chest
precaution-no-sudden-pull = No sudden pushing or pulling
precaution-two-kilos-to-chest = Up to 2 kg, to the chest
precaution-no-overhead-load = No load overhead
precaution-five-kilos-waist = Up to 5 kg at the waist, 2 kg overhead
precaution-no-heavy-work = No heavy labour, no contact sport
precaution-no-driving = No driving

sling-abduction-pillow = Sling with small pillow

milestone-ms-passive-90 = Passive elevation 90° without pain at rest
milestone-ms-active-90 = Active elevation 90° without a hitch
milestone-ms-active-120 = Active elevation 120°
milestone-ms-active-140 = Active elevation 140°
milestone-ms-daily-tasks = Daily tasks below the shoulder, pain at most 2/10
milestone-ms-overhead = Active elevation 150° or 90 % of the other side

lane-something-is-wrong = Something is wrong
lane-too-far = Too far
lane-gate-due = Gate due
lane-too-stiff = Too stiff
lane-re-measure = Re-measure
lane-quiet = Quiet

tier-emergency-now = Emergency now
tier-same-day = Same day
tier-within-days = Within days
tier-ask-surgeon = Ask the surgeon

flag-chest-pain = Chest pain, breathlessness, or swelling of the calf or whole arm
    .act = Call the emergency number now.
flag-limb-blood = Cold, white or blue hand, or sudden complete numbness
    .act = Call the emergency number now.
flag-deformity = A fall, a new deformity, or the arm locked in place
    .act = Stop all exercise. Emergency department today, two-view radiograph.
flag-infection = Fever, or a wound that is red, open or discharging
    .act = Stop. Surgical team today.
flag-cord = Neck pain with clumsy hands, unsteady walking, bladder or bowel change
    .act = Emergency assessment today.
flag-unsafe = Severe distress, or not safe or not able to cope at home
    .act = Stay with the person; local safeguarding pathway today.
flag-pop = A pop or snap with sudden loss of lifting or turning
    .act = Stop. Surgeon within 48 hours.
flag-new-weakness = New or spreading weakness or numbness, wrist drop, winging
    .act = Doctor within a week; the same day if it is getting worse.
flag-cancer = Unexplained weight loss, night sweats, a lump, or a history of cancer with new constant pain
    .act = Doctor within two weeks, urgent pathway.
flag-inflammatory = Both shoulders stiff for more than 45 minutes in the morning, feeling unwell
    .act = Doctor within a week; the same day with headache, jaw pain or sight change.
flag-regional-pain = Burning pain out of proportion with a swollen hand, colour or sweat change
    .act = Doctor within a week.
flag-active-loss = Active elevation lost while passive elevation is kept
    .act = Surgical opinion and imaging within two weeks.
flag-active-passive-gap = Active far below passive elevation from week 12 on
    .act = Surgeon within one to two weeks: re-tear, nerve or inhibition.
flag-over-ceiling-sudden = Above the ceiling with a sudden gain of rotation or new weakness
    .act = Stop gaining in that direction. Surgeon this week.
flag-fall-back-range = Range lost together with new weakness
    .act = Measure again now. Surgeon this week.

fault-blade-pinned = pinning the shoulder blade back
fault-breath-held = holding the breath
fault-chin-poke = poking the chin forward
fault-drops-back = letting it drop back
fault-elbow-behind-body = the elbow going behind the body
fault-elbow-bends = bending the elbow
fault-elbow-leaves-side = the elbow leaving your side
fault-low-back-arched = arching the low back
fault-muscle-active = helping with the operated arm
fault-muscle-shakes = shaking or losing control
fault-over-gripping = gripping too hard
fault-past-limit = going past your limit
fault-short-range = stopping short
fault-shoulder-hitch = hitching the shoulder to the ear
fault-shoulder-rolls-forward = rolling the shoulder forward
fault-thumb-turns-down = the thumb turning down
fault-too-fast = going too fast
fault-trunk-leans = leaning the body
fault-trunk-turns = turning the body

field-sets = sets
field-repetitions = repetitions
field-hold-s = hold (s)
field-rest-s = rest (s)
field-times-per-day = times a day
field-days-per-week = days a week
field-load-kg = weight (kg)
field-elastic-level = elastic level
field-effort-pct = effort (%)
