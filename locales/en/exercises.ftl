# Names and instructions of the exercises: what the patient reads. Plain words, no degrees.

# What the arm is called, and where it rests.
the-arm = { $arm ->
    [operated] the operated arm
    [slipped] the arm that slipped
   *[sore] the sore arm
}
resting = { $sling ->
    [on] in the sling
   *[off] in your lap
}
freed = { $sling ->
    [on] Slip the sling off and let
   *[off] Let
}

ex-hand-elbow-finger-open-close = Finger open and close
    .start = Sit with your arm resting { resting }.
    .how = Open your fingers wide, then close them into a loose fist.
    .task = Holding a cup

ex-hand-elbow-wrist-bend = Wrist bends
    .start = Sit with your forearm resting on a cushion.
    .how = Bend your wrist up as far as is easy, then down.
    .task = Turning pages

ex-hand-elbow-palm-turn = Palm up, palm down
    .start = Sit with your elbow bent and tucked against your side.
    .how = Turn your palm up to the ceiling, then down to the floor. Only the forearm turns.
    .task = Turning a key

ex-hand-elbow-elbow-bend = Elbow bend and straighten
    .start = Stand. { freed } the upper arm rest against your side.
    .how = Slowly straighten the elbow, then bend it. The upper arm does not move.
    .task = Bringing a hand to your mouth

ex-hand-elbow-ball-squeeze = Soft-ball squeeze
    .start = Sit with your forearm resting, a soft ball or rolled sock in your hand.
    .how = Squeeze about half as hard as you could, hold, and let go slowly.
    .task = Opening a jar

ex-posture-tall-sitting = Tall sitting
    .start = Sit towards the front of a chair, arm { resting }.
    .how = Grow tall through the top of your head and let the shoulders be soft. Hold, then rest.
    .task = Desk work

ex-posture-chin-back = Chin back
    .start = Sit tall, eyes level.
    .how = Slide your chin straight back, as if making a double chin. Hold, then let go.
    .task = Driving posture

ex-posture-ear-to-shoulder = Ear to shoulder
    .start = Sit tall, arm { resting }.
    .how = Tip your ear towards one shoulder until you feel a mild stretch, then the other.
    .task = Easing a tense neck

ex-posture-quiet-breathing = Quiet breathing
    .start = Lie on your back, arm held up on a pillow.
    .how = Breathe in through the nose so the belly rises, and let it fall slowly.
    .task = Sleep and easing pain

ex-shoulder-blade-clock = Shoulder-blade clock
    .start = Sit tall, arm { resting }, the arm itself still.
    .how = Glide the shoulder blade a little up, down, forward and back, as if to four points of a clock.
    .task = Feeling where the shoulder is

ex-shoulder-blade-setting = Gentle blade setting
    .start = Sit tall, arm { resting }.
    .how = Draw the shoulder blade a little back, as lightly as you can. Hold, then let go.
    .task = Sitting at a desk

ex-blade-lift-shrug = Shrug and lower
    .start = Sit tall, arm { resting }.
    .how = Lift both shoulders a little towards your ears, then lower them slowly.
    .task = Lifting a strap onto the shoulder

ex-blade-lift-roll = Shoulder rolls
    .start = Sit tall, arm { resting }.
    .how = Roll both shoulders up, back and down, small and slow.
    .task = Easing tension

ex-shoulder-blade-table-reach = Table reach with the blade
    .start = Sit at a table, forearm resting on a cloth.
    .how = Slide the hand a little forward by moving the shoulder blade, then draw it back.
    .task = Reaching for a mug

ex-pendulum-cradle = Cradle and rock
    .start = Sit. Cradle { the-arm } with your other arm, like holding a baby.
    .how = Rock your body gently and let the arm go along with it. The cradled arm stays asleep.
    .task = Washing under the arm

ex-pendulum-forward-back = Hanging swing, forward and back
    .start = Lean forward, your other hand on a table. Let { the-arm } hang.
    .how = Sway your body forward and back so the arm swings by itself, a hand's width each way.
    .task = Threading a sleeve

ex-pendulum-side-to-side = Hanging swing, side to side
    .start = Lean forward, your other hand on a table. Let { the-arm } hang.
    .how = Sway from foot to foot so the arm swings a little from side to side.
    .task = Washing under the arm

ex-pendulum-circles = Hanging swing, small circles
    .start = Lean forward, your other hand on a table. Let { the-arm } hang.
    .how = Move your body in a small circle so the hand draws a circle the size of a plate. Then the other way.
    .task = Putting on a coat

ex-assisted-elevation-lying-other-hand = Lying lift with the other hand
    .start = Lie on your back, a small pillow under the upper arm. Hold the wrist with your other hand.
    .how = Let the other arm lift { the-arm }. It stays heavy. Pause at the limit, then lower slowly.
    .task = Hand to forehead when lying

ex-table-slide-forward = Table slide, forward
    .start = Sit at a table, this hand on a cloth.
    .how = Bow forward from the hips and let the hand slide away. Come back by sitting up.
    .task = Wiping a table

ex-table-slide-to-side = Table slide, to the side
    .start = Sit side-on to a table, this hand on a cloth.
    .how = Lean towards the table and let the hand slide away between front and side. Sit back up.
    .task = Reaching across a bed

ex-assisted-elevation-lying-stick = Lying lift with a stick
    .start = Lie on your back, both hands on a stick.
    .how = Lift the stick up and back with the good arm leading. Pause, then lower slowly.
    .task = Pulling a duvet up

ex-assisted-elevation-pulley = Pulley lift, back to the door
    .start = Sit under a door pulley with your back to the door, a handle in each hand.
    .how = Pull down with the good arm so that { the-arm } is drawn up. Lower it slowly.
    .task = Hanging up a coat

ex-assisted-elevation-standing-stick = Standing lift with a stick
    .start = Stand, both hands on a stick in front of you.
    .how = Lift the stick with the good arm leading, to the limit, and lower it slowly.
    .task = Lifting a light box with two hands

ex-assisted-external-rotation-lying-stick = Lying outward turn with a stick
    .start = Lie on your back, elbow bent and resting on a folded towel at your side. Hold a stick in both hands.
    .how = Push with the good hand so that the other forearm turns outward. Pause at the limit, come back.
    .task = Opening a door

ex-assisted-external-rotation-at-table = Sitting outward turn at a table
    .start = Sit with this forearm resting on a table, elbow near your side.
    .how = Keep the forearm still and turn your body away from it, to the limit. Turn back.
    .task = Using a computer mouse

ex-assisted-external-rotation-lying-arm-away = Lying outward turn, arm away
    .start = Lie on your back, the elbow resting on a towel half-way out from your side. Hold a stick in both hands.
    .how = Push with the good hand so that the forearm tips back. Pause at the limit, come back.
    .task = Turning a steering wheel

ex-internal-rotation-reach-hand-to-belly = Hand to belly, helped
    .start = Lie on your back, elbow on a towel. Hold the wrist with your other hand.
    .how = Let the other hand bring this hand down to your belly. Pause, come back.
    .task = Hand to belly

ex-internal-rotation-reach-behind-back = Reach behind the back
    .start = Stand. Let the arm hang.
    .how = Slide the back of your hand round to your back pocket, no further than is easy.
    .task = Tucking in a shirt

ex-wall-slide-finger-walk = Finger walk up the wall, facing it
    .start = Stand facing a wall, fingertips on it.
    .how = Walk the fingers up the wall to the limit, pause, and walk them down. Three or four quiet days here before you turn.
    .task = Reaching a light switch

ex-wall-slide-towel = Towel slide up the wall
    .start = Stand facing a wall, both hands on a towel against it.
    .how = Slide the towel up to the limit, and let it come down slowly.
    .task = Cleaning a window

ex-wall-slide-forearm = Forearm slide up the wall
    .start = Stand, both forearms on a wall, a light push.
    .how = Slide the forearms up while reaching a little, to the limit, and slowly down.
    .task = Painting a wall

ex-active-elevation-balance-lying = Arm balance, lying
    .start = Lie on your back. Your other hand helps the arm up until it points at the ceiling.
    .how = Let go and balance it there. Draw small arcs towards your head and feet.
    .task = Holding a book when lying down

ex-active-elevation-lying-bent = Lying lift, elbow bent
    .start = Lie on your back, elbow bent.
    .how = Lift the elbow up and back as far as the limit, then lower it slowly.
    .task = Hand to head when lying

ex-active-elevation-lying-straight = Lying lift, elbow straight
    .start = Lie on your back, elbow straight, thumb towards your head.
    .how = Lift the arm up and back to the limit, then lower it slowly.
    .task = Pulling a sheet over your head

ex-active-elevation-reclined = Leaning-back lift
    .start = Lie back against pillows, half-way to sitting.
    .how = Lift the arm with a bent elbow, straighten as it rises, lower slowly.
    .task = Reaching from an armchair

ex-active-elevation-standing-bent = Standing lift, elbow bent
    .start = Stand tall, elbow bent.
    .how = Lift the elbow forward and a little out, no higher than the limit, without hitching the shoulder.
    .task = Hand to mouth and hair

ex-active-elevation-to-shoulder-height = Standing lift to shoulder height
    .start = Stand tall, elbow straight, thumb up.
    .how = Lift the arm forward and a little out to shoulder height, and lower it slowly.
    .task = Reaching a shelf at shoulder height

ex-active-elevation-standing-full = Full standing lift
    .start = Stand tall, elbow straight, thumb up.
    .how = Lift the arm forward and a little out, as high as the limit, and lower it slowly.
    .task = Reaching overhead

ex-external-rotation-on-table = Outward turn on a table
    .start = Sit with your elbow and forearm on a table.
    .how = Turn the forearm outward along the table to the limit, and slowly back.
    .task = Opening a drawer

ex-external-rotation-side-lying = Side-lying outward turn
    .start = Lie on your good side, a towel between elbow and ribs, elbow bent.
    .how = Turn the forearm up to the limit, and lower it slowly.
    .task = Tucking in a pillow

ex-external-rotation-side-lying-weight = Side-lying outward turn with a weight
    .start = Lie on your good side, a towel between elbow and ribs, a small weight in your hand.
    .how = Turn the forearm up to the limit, and lower it slowly.
    .task = Pulling a heavy drawer

ex-external-rotation-standing-elastic = Standing outward turn with elastic
    .start = Stand side-on to a door, elastic at elbow height, a rolled towel under your elbow.
    .how = Turn the forearm outward to the limit, and let it come back slowly.
    .task = Opening a heavy door

ex-internal-rotation-slide-to-belly = Slide to belly
    .start = Sit with the forearm on a table.
    .how = Slide the hand in to your belly and slowly out again.
    .task = Closing a drawer

ex-internal-rotation-standing-elastic = Standing inward turn with elastic
    .start = Stand side-on to a door, elastic at elbow height, a rolled towel under your elbow.
    .how = Turn the forearm in towards your belly, and let it go back slowly.
    .task = Closing a door

ex-isometric-outward-wall = Outward press against a wall
    .start = Stand beside a wall, elbow bent and tucked in, back of the hand on the wall.
    .how = Press outward. Build up over two seconds, hold, ease off.
    .task = Steadying a door

ex-isometric-inward-frame = Inward press against a frame
    .start = Stand at a door frame, elbow bent and tucked in, palm on the frame.
    .how = Press inward. Build up over two seconds, hold, ease off.
    .task = Holding a bag to your chest

ex-isometric-forward-wall = Forward press against a wall
    .start = Stand facing a wall, elbow bent, fist on the wall.
    .how = Press forward. Build up, hold, ease off.
    .task = Starting to push a door

ex-isometric-sideways-wall = Sideways press against a wall
    .start = Stand beside a wall, elbow bent, outside of the elbow on the wall.
    .how = Press sideways. Build up, hold, ease off.
    .task = Starting to lift the arm sideways

ex-reach-and-push-ceiling-punch = Ceiling punch
    .start = Lie on your back, arm pointing at the ceiling.
    .how = Reach the fist up a few centimetres, so the blade leaves the bed. Hold, lower.
    .task = Reaching up for a bag

ex-reach-and-push-ceiling-punch-weight = Ceiling punch with a weight
    .start = Lie on your back, a small weight in your hand, arm pointing at the ceiling.
    .how = Reach the fist up a few centimetres. Hold, lower slowly.
    .task = Passing something forward

ex-row-straight-arm-to-hip = Straight-arm pull to the hip
    .start = Stand facing a door, elastic at waist height, arm a little raised in front.
    .how = Pull the straight arm down to your hip and no further. Let it rise slowly.
    .task = Closing a low drawer

ex-row-low = Low row
    .start = Stand facing a door, elastic at waist height.
    .how = Pull the hand to your ribs, elbow close, and let it go forward slowly.
    .task = Pulling a door open

ex-raise-strength-shoulder-height-weight = Raise to shoulder height with a weight
    .start = Stand tall, a small weight in your hand, thumb up.
    .how = Raise the arm forward and a little out to shoulder height, and lower it slowly.
    .task = Putting a bowl on a shelf

ex-raise-strength-overhead-weight = Raise overhead with a weight
    .start = Stand tall, a small weight in your hand, thumb up.
    .how = Raise the arm forward and a little out, overhead, and lower it slowly.
    .task = Reaching a top shelf

ex-reach-and-push-wall-blade-push = Wall push with the blade
    .start = Stand with both hands on a wall, elbows straight.
    .how = Let the chest sink a little between the blades, then push it away.
    .task = Leaning on a wall

# The library beyond the first pathway.

ex-pendulum-weight = Pendulum with a light weight
    .start = Lean on a table with the other hand, a light weight strapped to the wrist.
    .how = Let the arm hang and sway your body, so that the arm swings by itself.
    .task = Pain relief before reaching

ex-pendulum-arm-swing = Relaxed arm swing
    .start = Walk at your own pace.
    .how = Let the arm swing from the shoulder as the other one does, without holding it.
    .task = Walking without guarding

ex-hand-elbow-finger-shapes = Finger shapes and thumb touch
    .start = Sit with the forearm resting.
    .how = Make the hand flat, hook the fingers, close the fist, then touch each fingertip with the thumb.
    .task = Buttons, keys

ex-hand-elbow-elbow-bend-helped = Elbow bend with the other hand
    .start = Sit with the upper arm resting, the other hand round the wrist.
    .how = Let the other hand bend and stretch the elbow; the arm itself stays soft.
    .task = Straightening the elbow all the way

ex-hand-elbow-wrist-lift-weight = Wrist lift with a weight
    .start = Forearm on a table, hand over the edge, a light weight in it.
    .how = Lift the hand, wait, lower it slowly; then the same with the palm up.
    .task = Carrying a pan (with elbow supported)

ex-posture-head-turn = Head turn
    .start = Sit tall, shoulders loose.
    .how = Turn the head slowly to one side and to the other, as far as it goes without force.
    .task = Looking over shoulder

ex-posture-tall-at-wall = Tall against a wall
    .start = Stand with your back to a wall, heels a hand's width away.
    .how = Grow tall, let the back of the head come near the wall, and breathe on.
    .task = Standing work

ex-shoulder-blade-hold-arm-out = Shoulder blade hold, arm a little out
    .start = Stand with the arms loose.
    .how = Set the blade gently up and round, lift the arm a little sideways and hold it there.
    .task = Standing reach set-up

ex-shoulder-blade-table-press-down = Press down on a table
    .start = Sit beside a table, fist on it, the elbow away from your side.
    .how = Press the fist softly down as if to make the arm longer; hold, let go slowly.
    .task = Leaning on a desk

ex-shoulder-blade-press-back = Press back into a bench
    .start = Stand with your back to a bench or table edge, palm on it.
    .how = Press the palm back while the blade slides towards your spine and down.
    .task = Pushing a chair back

ex-shoulder-blade-shrug-arms-out = Shrug with the arms a little out
    .start = Stand, a weight in each hand, arms a little away from the body.
    .how = Lift the shoulders up and in towards the ears, wait, lower slowly.
    .task = Carrying shopping without dragging

ex-assisted-elevation-counter-bow = Bow at a counter
    .start = Stand with both hands on a counter, feet under you.
    .how = Step back and bow, so that the arms end up beside your ears.
    .task = Reaching into a car boot

ex-assisted-elevation-side-lying-board = Lying on the other side, arm on a board
    .start = Lie on the other side, the arm on a smooth board or firm cushion.
    .how = Slide the arm forward and up along the board, and back.
    .task = Turning in bed

ex-assisted-elevation-stick-to-side = Stick lift to the side
    .start = Stand, a stick in both hands, thumb up on the stiff side.
    .how = Push the arm out to the side and up with the stick.
    .task = Deodorant, washing side

ex-assisted-elevation-ball-roll = Roll a big ball away
    .start = Kneel or stand before a table, both hands on a big ball.
    .how = Roll the ball away until the arm stretches, and back.
    .task = Reaching forward to a shelf

ex-assisted-elevation-pillow-rest = Arms back on pillows
    .start = Lie on your back, arms overhead on a stack of pillows.
    .how = Let the arms sink and stay; take a pillow away when it is easy.
    .task = Reaching a top shelf

ex-assisted-external-rotation-door-frame = Turn out at a door frame
    .start = Stand in a door, elbow bent at your side, palm on the frame.
    .how = Turn your feet slowly away from the hand until the shoulder stretches; stay there.
    .task = Reaching to car seat belt (driver side)

ex-assisted-external-rotation-stick-elbow-out = Turn back with a stick, elbow out
    .start = Lie on your back, elbow out at shoulder height on a towel, a stick in both hands.
    .how = Push the hand back with the stick, as far as permitted.
    .task = Washing back of hair

ex-assisted-external-rotation-hands-behind-head = Hands behind the head, elbows drop
    .start = Lie on your back, hands behind your head, elbows up.
    .how = Let the elbows sink towards the bed, wait, bring them together again.
    .task = Hands behind the head, hair

ex-assisted-external-rotation-high-door-frame = High door-frame stretch
    .start = Stand in a door, elbow at shoulder height, forearm on the frame.
    .how = Lean the body through the door until the front of the shoulder stretches.
    .task = Throw wind-up, backhand reach

ex-internal-rotation-reach-stick-behind = Stick lift behind
    .start = Stand with a stick behind you, held in both hands.
    .how = Lift the stick away from your seat, keeping tall.
    .task = Pulling trousers up

ex-internal-rotation-reach-towel-up-back = Towel pull up the back
    .start = One hand behind your back on a towel, the other holds the towel over the shoulder.
    .how = Pull the lower hand gently up the spine with the upper hand.
    .task = Bra fastening, back pocket

ex-internal-rotation-reach-across-lying = Lying, arm across
    .start = Lie on your back, the arm straight up, the other hand behind the elbow.
    .how = Draw the elbow across your chest until the back of the shoulder stretches.
    .task = Washing the other armpit

ex-internal-rotation-reach-across-blade-held = Arm across, blade held
    .start = Lean the shoulder blade against a wall, arm in front.
    .how = Draw the elbow across with the other hand; the blade stays on the wall.
    .task = Seat belt across

ex-internal-rotation-reach-side-lying-hand-down = Lying, hand turned down
    .start = Lie on the stiff side, elbow in front of you and bent, hand up.
    .how = Press the hand gently down towards your feet with the other hand.
    .task = Thrower/server recovery of range

ex-mobility-chest-opener = Chest opener on a towel
    .start = Lie on your back, a rolled towel along the spine between the blades.
    .how = Let the arms rest a little out to the sides and the shoulders sink to the floor.
    .task = Upright sitting

ex-mobility-corner-one-arm = Corner stretch, one arm
    .start = Stand in a door, forearm up along the frame.
    .how = Turn the body away until the front of the chest stretches.
    .task = Opening chest, overhead reach

ex-mobility-chest-low-and-middle = Chest stretch, low and middle
    .start = Forearm on a door frame, first below, then at shoulder height.
    .how = Step through until the chest stretches, and stay.
    .task = Reaching back for coat

ex-mobility-kneeling-reach = Kneeling reach
    .start = Kneel before a bench, hands on it, palms facing.
    .how = Let the chest sink between the arms until the sides of the back stretch.
    .task = Overhead reach

ex-mobility-blade-lifter = Blade-lifter stretch
    .start = Sit, head turned half away and bent forward.
    .how = Let the weight of one hand on the head deepen the stretch, no pull.
    .task = Looking down at tools

ex-mobility-neck-side = Neck side stretch
    .start = Sit, one hand holding the chair.
    .how = Lean the head away from that hand and a little forward, and wait.
    .task = Desk tension

ex-mobility-clasped-reach = Clasped reach
    .start = Sit, fingers clasped in front of you.
    .how = Reach forward until the space between the blades widens.
    .task = Reaching steering wheel

ex-mobility-ball-back-of-shoulder = Ball on the back of the shoulder
    .start = Stand side-on to a wall, a small ball behind the shoulder.
    .how = Lean on the ball and roll over the tender spots, breathing on.
    .task = Easing before reach

ex-mobility-ball-chest = Ball on the front of the chest
    .start = Face a wall, a small ball below the outer end of the collar bone.
    .how = Lean in and roll slowly. Tingling in the hand means stop.
    .task = Upright sitting

ex-mobility-neck-kneading = Neck muscle kneading
    .start = Sit, the other hand on top of the shoulder.
    .how = Knead the muscle slowly, never the front of the neck.
    .task = Desk tension

ex-mobility-back-bend-roll = Back bend over a roll
    .start = Lie with a firm towel roll across the middle of the back, arms crossed or hands at the head.
    .how = Let the upper back bend over the roll and come up again.
    .task = Looking up, overhead work

ex-mobility-trunk-turn-lying = Lying trunk turn
    .start = Lie on the other side, knees bent, arms in front.
    .how = Open the upper arm and turn the chest as far as permitted; the knees stay.
    .task = Reversing a car

ex-mobility-trunk-turn-all-fours = Trunk turn on all fours
    .start = On hands and knees, one hand on the chest.
    .how = Turn chest and elbow up towards the ceiling and back down.
    .task = Turning while lifting

ex-mobility-back-bend-chair = Back bend over a chair
    .start = Sit with the chair back below the blades, arms crossed.
    .how = Lean the upper back over the chair, look up, come back.
    .task = Breaks in overhead work

ex-isometric-backward-wall = Backward press against a wall
    .start = Stand with your back to a wall, elbow bent and touching it.
    .how = Press the elbow back, hold, let go slowly.
    .task = Pushing up from arm rest (preparation)

ex-isometric-towel-squeeze = Towel squeeze
    .start = Stand, elbow bent, a folded towel between elbow and ribs.
    .how = Squeeze the towel, hold, let go.
    .task = Holding papers under the arm

ex-isometric-palm-press = Palm press
    .start = Sit, palms together in front of you, elbows up.
    .how = Press the palms together, hold, let go.
    .task = Carrying a box between palms

ex-isometric-outward-three-angles = Outward press at three angles
    .start = Sit, elbow on a table, the other hand on the back of the wrist.
    .how = Press outward against the other hand; then again at the next angle.
    .task = Holding a drill

ex-isometric-steady-taps = Steady arm, light taps
    .start = Lie on your back, arm straight up.
    .how = Keep it still while a helper or your other hand taps it from all sides.
    .task = Steadying a tool

ex-isometric-step-out = Step-out with an elastic
    .start = Stand side-on to a door, elastic in the hand, elbow at your side.
    .how = Lock the arm and step away from the door; stand, step back.
    .task = Holding a heavy door

ex-isometric-outward-arm-in-front = Outward press, arm in front
    .start = Stand in a door, upper arm raised in front, its outer side at the frame.
    .how = Press outward, hold, let go.
    .task = Holding a door against wind

ex-wall-slide-finger-walk-side = Finger walk up the side
    .start = Stand half turned to a wall, fingertips on it.
    .how = Walk the fingers up, as high as permitted, and down again.
    .task = Reaching sideways to a shelf

ex-wall-slide-lift-off = Wall slide with lift-off
    .start = Stand facing a wall, hands high on it.
    .how = At the top lift the hand a finger's length off the wall, hold, lower.
    .task = Placing item overhead

ex-wall-slide-loop = Forearm slide with a loop
    .start = Forearms on a wall, an elastic loop round the wrists.
    .how = Keep the forearms apart and slide them up and down.
    .task = Overhead assembly

ex-wall-slide-ball-circles = Ball circles on a wall
    .start = Stand at a wall, a ball under the flat hand.
    .how = Roll small circles, first one way, then the other.
    .task = Wiping, sanding

ex-active-elevation-lying-weight = Lying lift with a light weight
    .start = Lie on your back, a light weight in the hand.
    .how = Lift the straight arm up and back, lower it slowly.
    .task = Lifting a bottle from bedside

ex-active-elevation-half-sitting = Half-sitting lift
    .start = Lean back half-way against pillows.
    .how = Lift the arm, straightening the elbow as it rises; lower slowly.
    .task = Reaching from a car seat

ex-active-elevation-side-full = Lift to the side, all the way
    .start = Stand, thumb up.
    .how = Lift the arm sideways past the ear, lower slowly.
    .task = Drying the back, jacket sleeve

ex-external-rotation-long-hold = Long outward hold
    .start = Stand side-on to a door, elastic in the hand, elbow on a towel at your side.
    .how = Turn the hand out and hold it there without shaking.
    .task = Holding a panel in place

ex-external-rotation-elbow-supported = Outward turn, elbow on a table
    .start = Sit, elbow on a table in front, elastic from low ahead.
    .how = Turn the forearm up and back against the elastic, return slowly.
    .task = Steering, using a screwdriver

ex-external-rotation-elbow-free = Outward turn, elbow free
    .start = Stand facing a door, elbow raised in front of the shoulder.
    .how = Turn the hand up against the elastic; the elbow stays where it is.
    .task = Drilling at chest height

ex-external-rotation-prone-elbow-out = Lying outward turn, elbow out
    .start = Lie on your front, upper arm on the bench out to the side, forearm hanging.
    .how = Turn the hand up to the level of the arm, lower slowly.
    .task = Overhead tool control

ex-external-rotation-high-slow = High outward turn, slow
    .start = Stand facing a door, elbow out at shoulder height.
    .how = Turn the hand up and back, return slowly.
    .task = Serving, ceiling work

ex-external-rotation-high-quick = High outward turn, quick
    .start = As the slow one, with a lighter elastic.
    .how = Turn up and back at one a second, always in control.
    .task = Throw/serve deceleration

ex-internal-rotation-elastic-whole-way = Inward turn, whole way
    .start = Stand side-on to a door, elastic on the working side, elbow at your side.
    .how = Turn the hand in to the belly and let it out slowly.
    .task = Pulling a rope in

ex-internal-rotation-belly-press = Belly press, held
    .start = Hand flat on the belly, elbow in front of the body.
    .how = Press into the belly without letting the elbow fall back.
    .task = Tucking shirt in front

ex-internal-rotation-lift-off = Lift-off behind the back
    .start = Back of the hand on the low back.
    .how = Lift the hand off the back, hold, return.
    .task = Fastening at back

ex-internal-rotation-elbow-in-front = Inward turn, elbow in front
    .start = Sit or stand, elbow supported in front, elastic from behind.
    .how = Turn the hand forward and down, let it back slowly.
    .task = Pulling a lever down

ex-internal-rotation-high-slow = High inward turn, slow
    .start = Stand with your back to a door, elbow out at shoulder height, hand up.
    .how = Turn the hand forward and down, let it back slowly.
    .task = Overhead hammering

ex-internal-rotation-high-quick = High inward turn, quick
    .start = As the slow one, with a lighter elastic.
    .how = Turn forward and down at one a second, always in control.
    .task = Throw/serve acceleration

ex-internal-rotation-side-lying-weight = Lying inward turn
    .start = Lie rolled a little back on the working side, elbow bent in front of the ribs.
    .how = Lift the weight from the bed to the belly, lower slowly.
    .task = Pulling covers in

ex-raise-strength-forward-elastic = Forward lift against an elastic
    .start = Stand with your back to a door, elastic from hip height behind.
    .how = Lift the arm forward to shoulder height, lower slowly.
    .task = Pushing a pan onto a shelf

ex-raise-strength-side-weight = Lift to the side with a weight
    .start = Stand, a weight in the hand.
    .how = Lift the arm out to shoulder height, elbow soft, lower slowly.
    .task = Lifting arm into sleeve

ex-raise-strength-front-weight = Front lift with a weight
    .start = Stand, a weight in the hand, thumb up.
    .how = Lift forward to shoulder height, lower slowly.
    .task = Lifting a pan

ex-raise-strength-side-lying-forward = Lying forward lift
    .start = Lie on the other side, arm along the body.
    .how = Swing the straight arm forward and up in a slow arc, and back.
    .task = Reaching bedside lamp

ex-raise-strength-side-lying-side = Lying side lift
    .start = Lie on the other side, arm along the body.
    .how = Lift the arm half-way up, lower slowly.
    .task = Lifting arm away from side

ex-raise-strength-half-kneeling-press = One-arm press, half kneeling
    .start = Kneel on one knee, elastic from low behind, hand at the shoulder.
    .how = Press up and a little forward, lower slowly.
    .task = Placing a bag on a rack

ex-raise-strength-overhead-press = Overhead press
    .start = Sit or stand, weight at the shoulder, elbow in front of the body line.
    .how = Press up past the ear, lower slowly.
    .task = Lifting box overhead

ex-raise-strength-hand-loop = Lift with a loop between the hands
    .start = Elbows bent, forearms level, an elastic loop round both hands.
    .how = Keep the loop tight and lift both arms, straightening them as they rise.
    .task = Overhead cable/assembly work

ex-row-elbows-half-out = Row, elbows half out
    .start = Stand facing a door, elastic at chest height.
    .how = Draw the elbow back, half out to the side, no further than the body.
    .task = Rowing, pulling a lawn tool cord

ex-row-high-then-turn-up = High row, then turn up
    .start = Stand facing a door, elastic at head height.
    .how = Draw the elbow back to shoulder height, then turn the hand up; return in two steps.
    .task = Pulling down a blind, ceiling work

ex-row-prone = Lying row
    .start = Lie on your front, the arm hanging, a weight in the hand.
    .how = Draw the elbow up beside the ribs, lower slowly.
    .task = Lifting from floor

ex-row-bent-over = Bent-over row
    .start = Bend over with the other hand on a bench.
    .how = Draw the weight to the ribs, lower slowly.
    .task = Lifting a crate

ex-row-low-bar = Pull-up under a low bar
    .start = Hang under a fixed low bar, heels on the floor, body straight.
    .how = Pull the chest towards the bar, lower slowly.
    .task = Climbing, pulling up

ex-row-step-and-pull = Step and pull
    .start = Stand with one foot ahead, elastic far in front.
    .how = Step back, turn the trunk and draw the elbow back in one movement.
    .task = Pulling a cord, starting a mower

ex-prone-raise-arm-back = Lying arm back, thumb out
    .start = Lie on your front, the arm hanging, thumb outward.
    .how = Lift the straight arm back to the hip, no higher than the body; lower slowly.
    .task = Reaching back to pocket line

ex-prone-raise-blades-together = Lying blades together
    .start = Lie on your front, forehead on a towel, arms at the sides.
    .how = Draw the blades back and a little down, hands just off the floor; hold.
    .task = Upright posture endurance

ex-prone-raise-bent-arm = Lying bent-arm lift
    .start = Lie on your front, elbows bent beside the ribs.
    .how = Draw the blades together and turn the hands up to the level of the elbows.
    .task = Opening both doors of a cupboard

ex-prone-raise-to-side = Lying lift to the side
    .start = Lie on your front, the arm hanging, thumb up.
    .how = Lift the straight arm out to the side to body height, lower slowly.
    .task = Reaching out sideways

ex-prone-raise-to-side-weight = Lying lift to the side with a weight
    .start = As before, a light weight in the hand.
    .how = Lift out to the side to body height, lower slowly.
    .task = Controlling a swung load

ex-prone-raise-row-and-turn = Lying row, then turn
    .start = Lie on your front, the arm hanging.
    .how = Draw the elbow out to shoulder height, then turn the hand up; return in two steps.
    .task = Overhead pull and rotate

ex-prone-raise-diagonal = Lying diagonal lift
    .start = Lie on your front, the arm hanging, thumb up.
    .how = Lift the arm up and out beside the head, in line with the lower shoulder blade.
    .task = Reaching overhead diagonally

ex-prone-raise-diagonal-weight = Lying diagonal lift with a weight
    .start = As before, a light weight in the hand.
    .how = Lift up and out beside the head, lower slowly.
    .task = Overhead placing

ex-prone-raise-four-shapes = Lying lifts, four shapes in a row
    .start = Lie on your front on a bench or big ball.
    .how = Up beside the head, out to the side, elbows bent, elbows square: five of each without rest.
    .task = Long overhead shift

ex-reach-and-push-forward-punch = Forward punch
    .start = Stand with one foot ahead, elastic from behind at shoulder height.
    .how = Punch forward and let the shoulder follow at the end.
    .task = Pushing a trolley

ex-reach-and-push-blade-push-up-all-fours = Blade push-up on all fours
    .start = On hands and knees, elbows straight.
    .how = Let the chest sink between the blades, then push the floor away.
    .task = Crawling, floor work

ex-reach-and-push-knee-push-up-plus = Knee push-up with a last push
    .start = On hands and knees, hips forward, body straight.
    .how = Lower, push up, and at the top push the floor away.
    .task = Pushing up from floor

ex-reach-and-push-push-up-plus = Push-up with a last push
    .start = On hands and toes, body straight.
    .how = Lower, push up, and at the top push the floor away.
    .task = Getting off the floor quickly

ex-reach-and-push-elastic-hug = Elastic hug
    .start = Elastic round the back or from behind, arms half raised and out.
    .how = Bring the hands together in a wide hug, let go slowly.
    .task = Carrying a large box

ex-reach-and-push-high-reach-shrug = High reach with a shrug
    .start = Stand on the elastic, hand above the head.
    .how = Reach up and let the shoulder rise with the hand; lower a little.
    .task = Fixing a light bulb

ex-reach-and-push-straight-arm-pull-down = Straight-arm pull-down
    .start = Stand facing a door, elastic above the head, arm straight.
    .how = Pull down and forward to the thigh, let it up slowly.
    .task = Pulling a shutter down

ex-weight-bearing-hand-press-table = Hand press on a table, sitting
    .start = Sit at a table, hand flat on it.
    .how = Shift a little weight on to the hand and off again.
    .task = Leaning on a desk

ex-weight-bearing-wall-shift = Weight shift at a wall
    .start = Stand with both hands on a wall at shoulder height.
    .how = Shift your weight from hand to hand.
    .task = Bracing on a wall

ex-weight-bearing-counter-shift = Weight shift at a counter
    .start = Stand with both hands on a counter, leaning in.
    .how = Shift your weight from hand to hand.
    .task = Leaning at the sink

ex-weight-bearing-all-fours-hold = Hold on all fours
    .start = On hands and knees, back long, elbows not locked.
    .how = Push the floor gently away and hold.
    .task = Gardening on all fours

ex-weight-bearing-all-fours-rock = Rock on all fours
    .start = On hands and knees.
    .how = Rock forward, back and from side to side.
    .task = Cleaning a floor

ex-weight-bearing-all-fours-arm-lift = All fours, other arm lifts
    .start = On hands and knees.
    .how = Lift the other arm forward; the supporting shoulder does not sink.
    .task = Reaching while leaning

ex-weight-bearing-all-fours-arm-and-leg = All fours, other arm and opposite leg
    .start = On hands and knees.
    .how = Lift the other arm and the opposite leg; stay level.
    .task = Balance during reaching

ex-weight-bearing-knees-off-floor = All fours, knees off the floor
    .start = On hands and knees, toes tucked.
    .how = Lift the knees a finger's width off the floor and hold.
    .task = Crawling under obstacles

ex-weight-bearing-all-fours-shoulder-taps = Shoulder taps on all fours
    .start = On hands and knees, knees down or just off the floor.
    .how = Touch the opposite shoulder with one hand, then with the other.
    .task = Quick weight change on hands

ex-weight-bearing-forearm-plank = Forearm plank
    .start = On forearms and toes, elbows under the shoulders.
    .how = Keep the body straight and breathe on.
    .task = Propping on elbows

ex-weight-bearing-high-plank = High plank
    .start = On hands and toes, body straight.
    .how = Push the floor away and hold.
    .task = Getting up from floor

ex-weight-bearing-high-plank-taps = High plank with taps
    .start = On hands and toes, feet apart.
    .how = Touch the opposite shoulder in turn; the hips stay quiet.
    .task = Contact readiness

ex-weight-bearing-hand-walk = Hand walk in a high plank
    .start = On hands and toes, a loop round the wrists if you have one.
    .how = Walk the hands a step to one side and back.
    .task = Climbing, crawling

ex-weight-bearing-side-plank = Side plank on the forearm
    .start = On your side, elbow under the shoulder, knees or feet stacked.
    .how = Lift the hips and hold the body straight.
    .task = Propping on one elbow in bed

ex-weight-bearing-pike-hold = Pike hold and push
    .start = On hands and feet, hips high.
    .how = Bend the elbows a little, push back up.
    .task = Pushing overhead under load

ex-weight-bearing-one-hand-plank = Plank on one hand
    .start = High plank, feet wide.
    .how = Take one hand off the floor and hold the body level.
    .task = Breaking a fall, contact sport

ex-push-up-wall = Wall push-up
    .start = Stand two foot lengths from a wall, hands on it.
    .how = Bend the elbows, bring the chest near, push back.
    .task = Pushing a door

ex-push-up-counter = Counter push-up
    .start = Hands on a counter, body straight.
    .how = Lower the chest to the edge, push back.
    .task = Pushing a trolley

ex-push-up-bench = Low push-up on a bench
    .start = Hands on a low bench, body straight.
    .how = Lower the chest, push back.
    .task = Getting off a sofa

ex-push-up-knees = Knee push-up
    .start = On hands and knees, hips forward.
    .how = Lower the chest, push up.
    .task = Rising from floor

ex-push-up-full = Full push-up
    .start = On hands and toes, hands below the shoulders.
    .how = Lower, elbows close to half out, push up.
    .task = Sport, manual work

ex-push-up-on-balls = Push-up on balls
    .start = Hands on one or two balls, body straight.
    .how = Lower and push up without wobbling.
    .task = Uneven loads

ex-push-up-feet-raised = Push-up, feet raised
    .start = Hands on the floor, feet on a bench.
    .how = Lower and push up.
    .task = Heavy pushing

ex-push-up-one-arm = One-arm push-up
    .start = One hand on a counter, later lower.
    .how = Lower a little and push up, trunk square.
    .task = Falls, contact

ex-push-up-pike = Pike push-up
    .start = Hips high, hands on the floor.
    .how = Lower the head between the hands, push up.
    .task = Handstand, overhead push

ex-arm-strength-curl-held = Elbow bend, held
    .start = Stand, elbow square, the other hand on the wrist.
    .how = Press up against the other hand, hold, let go.
    .task = Holding a plate

ex-arm-strength-curl-palm-up = Curl, palm up
    .start = Stand, a weight in the hand, palm forward.
    .how = Bend the elbow, lower slowly.
    .task = Lifting a bag

ex-arm-strength-curl-thumb-up = Curl, thumb up
    .start = Stand, a weight in the hand, thumb forward.
    .how = Bend the elbow, lower slowly.
    .task = Carrying a crate

ex-arm-strength-curl-slow-lowering = Slow lowering curl
    .start = Help the weight up with the other hand.
    .how = Lower it alone, slowly.
    .task = Lowering a heavy bag

ex-arm-strength-elbow-press-elastic = Elbow press down
    .start = Elastic above the head, elbow at your side and bent.
    .how = Straighten the elbow down, let it bend slowly.
    .task = Pushing up from chair (preparation)

ex-arm-strength-elbow-press-lying = Lying elbow press
    .start = Lie on your back, upper arm straight up, elbow bent.
    .how = Straighten the elbow, lower the weight slowly beside the ear.
    .task = Pushing something away

ex-arm-strength-elbow-press-overhead = Overhead elbow press
    .start = Upper arm beside the ear, elbow bent behind the head.
    .how = Straighten the elbow up, lower slowly.
    .task = Throw follow-through, pushing hatch

ex-arm-strength-forearm-turn = Forearm turn with a hammer
    .start = Sit, elbow square, a hammer in the hand.
    .how = Turn the palm up and down slowly.
    .task = Screwdriver

ex-diagonal-lying = Lying diagonal
    .start = Lie on your back, hand at the other hip, thumb down.
    .how = Sweep up and out beside the head, turning the thumb back; return.
    .task = Pulling a seat belt (far side)

ex-diagonal-to-other-ear = Diagonal to the other ear
    .start = Elastic from low behind on the working side.
    .how = Sweep from beside the hip up to the opposite ear.
    .task = Hand to opposite shoulder/ear

ex-diagonal-draw-out-and-up = Draw out and up
    .start = Elastic from low ahead on the other side, hand at the other hip.
    .how = Sweep up and out, turning the thumb back, as if pulling a stage curtain aside.
    .task = Drawing out and up

ex-diagonal-down-and-across = Diagonal down and across
    .start = Elastic from high behind on the working side.
    .how = Sweep down and across to the other hip.
    .task = Throw/hit follow-through

ex-diagonal-two-hand-chop = Two-hand chop
    .start = Half kneeling, both hands on an elastic from high at one side.
    .how = Pull down across the body, turning the trunk.
    .task = Shovelling

ex-diagonal-two-hand-lift = Two-hand lift across
    .start = Half kneeling, a weight in both hands at one hip.
    .how = Lift up across the body to the other side.
    .task = Lifting a box to a shelf

ex-diagonal-weight = Diagonal with a weight
    .start = Half kneeling, weight at the other hip.
    .how = Sweep up and out, turning the thumb back; lower slowly.
    .task = Overhead reaching out

ex-slow-lowering-side-lying-outward = Lying outward turn, slow lowering
    .start = Lie on the other side, help the weight up with the other hand.
    .how = Let the forearm down alone, slowly.
    .task = Lowering a tool

ex-slow-lowering-from-shoulder-height = Slow lowering from shoulder height
    .start = Bring the arm up with a bent elbow, then straighten it.
    .how = Lower alone, slowly.
    .task = Lowering a pot from a shelf

ex-slow-lowering-outward-elastic = Outward turn, slow return
    .start = Turn the hand out with the elastic slack, then step away.
    .how = Let the hand come in slowly.
    .task = Controlling a door in wind

ex-slow-lowering-outward-in-front = Outward turn in front, slow return
    .start = Elbow raised in front, elastic from ahead, hand helped up.
    .how = Let the hand down slowly.
    .task = Lowering held load at chest

ex-slow-lowering-outward-high = High outward turn, slow return
    .start = Elbow out at shoulder height, hand helped back.
    .how = Let the hand come forward slowly.
    .task = Throw/serve deceleration

ex-slow-lowering-prone-side = Lying side lowering
    .start = Lie on your front, lift the weight with a bent elbow, then straighten.
    .how = Lower from the side to hanging, slowly.
    .task = Controlling a swinging load

ex-slow-lowering-heavy-raise = Slow heavy raise
    .start = Stand, a heavier weight in the hand.
    .how = Raise it slowly to shoulder height, and lower it more slowly still.
    .task = Heavy lifting to shoulder height

ex-quick-power-chest-pass = Chest pass
    .start = Hold a soft heavy ball at the chest with both hands.
    .how = Throw it straight at a wall, catch it softly.
    .task = Passing a parcel

ex-quick-power-side-throw = Side throw
    .start = Ball at the waist in both hands, side-on to a wall.
    .how = Turn and throw, catch and turn back.
    .task = Shovelling, loading

ex-quick-power-overhead-two-hands = Overhead throw with both hands
    .start = Ball behind the head in both hands.
    .how = Throw forward at a wall, catch above the head.
    .task = Throw-in, loading overhead

ex-quick-power-wall-drop = Drop and push off a wall
    .start = Stand an arm's length from a wall.
    .how = Fall on to the hands, catch yourself, push off at once.
    .task = Catching oneself

ex-quick-power-one-hand-at-side = One-hand throw at the side
    .start = Elbow at your side, a light ball in the hand.
    .how = Throw across to a wall and catch it going out.
    .task = Racket forehand

ex-quick-power-wall-dribble = Ball dribble on a wall
    .start = Face a wall, elbow out at shoulder height, ball on the fingertips.
    .how = Dribble the ball on the wall with short quick touches.
    .task = Overhead tool vibration control

ex-quick-power-prone-drop-catch = Lying drop and catch
    .start = Lie on your front, arm out to the side, a light ball in the hand.
    .how = Let the ball go and catch it at once.
    .task = Slowing a swing

ex-quick-power-catch-and-throw-behind = Catch and throw behind
    .start = Half kneeling, back to a partner, hand up at the side.
    .how = Catch the ball going forward, brake, throw it back.
    .task = Serve/throw follow-through

ex-quick-power-one-hand-overhead = One-hand overhead throw
    .start = Half kneeling or standing, hand back at shoulder height.
    .how = Throw at a wall and let the arm follow through.
    .task = Throw, spike, serve

ex-quick-power-push-up-leaving-ground = Push-up that leaves the ground
    .start = Hands on a counter, later lower.
    .how = Push so that the hands leave the surface, land softly.
    .task = Falls and contact

ex-pull-down-reach-down = Reach down, sitting
    .start = Sit tall, arm beside you.
    .how = Reach the hand softly towards the floor without dropping the shoulder; hold.
    .task = Starting elevation quietly

ex-pull-down-elbow-press = Press the elbow down
    .start = Sit, elbow on cushions or a table beside you.
    .how = Press the elbow softly down, hold; then again a little higher.
    .task = Pressing a lid down

ex-pull-down-pull-to-side = Pull in to the side
    .start = Elastic high on the working side, arm half out.
    .how = Pull the arm to your side, let it out slowly.
    .task = Closing a window

ex-pull-down-from-shoulder-height = Pull in from shoulder height
    .start = Elastic above on the working side, arm at shoulder height.
    .how = Pull the arm down to your side, let it up slowly.
    .task = Pulling a cord

ex-pull-down-straight-arm = Straight-arm pull from above
    .start = Stand facing a door, elastic above the head.
    .how = Pull the straight arm down to the hip and no further.
    .task = Pulling down a hatch

ex-pull-down-front = Front pull-down
    .start = Sit below a high elastic or bar.
    .how = Pull down in front of the face, elbows to the ribs; let up slowly.
    .task = Climbing, pulling

ex-pull-down-chair-lift = Chair lift
    .start = Sit in a chair with arm rests, hands on them.
    .how = Press down and lift the body a little, shoulders away from the ears.
    .task = Rising from a chair with arms

ex-pull-down-against-pull-from-above = Lift against a pull from above
    .start = Elastic from above in the hand.
    .how = Raise the arm slowly while you keep a light downward pull.
    .task = Painless mid-arc reach

ex-work-task-shelf-reach = Reach to a shelf
    .start = Stand at a shelf of shoulder height, light things in reach.
    .how = Place them and take them back at a steady pace.
    .task = Dishes, stock at shoulder height

ex-work-task-shelf-stack = Stack a high shelf
    .start = Stand at a shelf above your head.
    .how = Place and take down at a steady pace.
    .task = Warehouse, kitchen top shelf

ex-work-task-tool-overhead = Hold a tool overhead
    .start = Stand with a light tool above your head.
    .how = Hold it and work with the hand; rest as long as you worked.
    .task = Ceiling wiring, plaster

ex-work-task-side-carry = Side carry
    .start = A bag or weight in one hand.
    .how = Walk tall without leaning away.
    .task = Shopping bag, tool box

ex-work-task-front-carry = Carry in front
    .start = A box in both hands at the waist.
    .how = Walk, the box close to you.
    .task = Carrying a crate

ex-work-task-overhead-carry = Carry overhead
    .start = A weight held overhead, first in both hands.
    .how = Walk slowly, ribs down.
    .task = Lifting onto a rack

ex-work-task-turning-without-rest = Turning without a rest
    .start = Elastic at elbow height, elbow at your side.
    .how = Turn out and in without stopping until the time is up.
    .task = Long drilling session

ex-work-task-arm-crank = Arm crank
    .start = Sit at a crank, its axle below the shoulder.
    .how = Turn evenly, forward, then backward.
    .task = Warm-up, wheeling

ex-work-task-flexible-rod = Shake a flexible rod
    .start = A flexible rod in the hand, elbow at your side, later raised.
    .how = Shake it with small quick movements, the shoulder still.
    .task = Vibrating tool control

ex-work-task-floor-to-shelf = Lift from floor to shelf
    .start = A box at your feet.
    .how = Lift to the waist, to the shoulder, overhead; and back down.
    .task = Loading a van

ex-work-task-throwing-return = Back to throwing, step by step
    .start = Your own task, at the step you have reached.
    .how = Do the counted repetitions; go on only when the next day is quiet.
    .task = Return to throwing/serving/overhead job

ex-work-task-break-at-work = Break at work
    .start = Step away from the work.
    .how = Draw the blades together, bend the upper back, let the arm hang loose.
    .task = Work shift

ex-row-pull-apart = Pull-apart, blades together
    .start = Stand, arms forward at chest height, an elastic between the hands, not slack.
    .how = Draw the hands apart until the elastic touches the chest, the blades coming together; give way slowly.
    .task = Opening double doors

ex-row-pull-apart-blades-wide = Pull-apart, blades wide
    .start = Stand, arms forward, an elastic between the hands, and reach long.
    .how = Draw the hands apart only as far as the blades stay round the ribs, reaching all the time.
    .task = Steering with both hands

ex-external-rotation-two-hands = Outward turn with both hands
    .start = Stand or sit tall, elbows at your sides, an elastic between the hands, palms up.
    .how = Turn both hands outward, the elbows staying where they are; come back slowly.
    .task = Opening a newspaper

ex-isometric-outward-towel = Outward press against a towel
    .start = Sit, elbows at your sides, a towel or stick held tight between both hands.
    .how = Press both hands outward without moving; hold, let go slowly.
    .task = Holding a tray level

ex-isometric-own-hand-eight-ways = Eight presses against your own hand
    .start = Sit, elbow at your side, the other hand round the wrist.
    .how = Press without moving: wrist out, in, up and down; then elbow out, in and back, and the fist forward. Let go between.
    .task = Steadying yourself on a bus

ex-isometric-step-in = Step-out, holding inward
    .start = Stand with the door on the side of this arm, elastic in the hand, elbow at your side.
    .how = Lock the arm and step away from the door; stand, step back.
    .task = Holding a dog on a lead

ex-weight-bearing-all-fours-shift = Weight shift on all fours
    .start = On hands and knees, elbows straight but not locked.
    .how = Move your weight over one hand and hold, then over the other, pushing the floor away.
    .task = Crawling under a stage

ex-internal-rotation-reach-side-lying-low = Side-lying inward stretch, elbow low
    .start = Lie on this side, the elbow bent and half-way between your waist and your shoulder.
    .how = Let the other hand press this one down towards the bed until it stretches behind the shoulder, and wait.
    .task = Tucking in a shirt behind

ex-mobility-corner-elbow-high = Corner stretch, elbows above the shoulder
    .start = Stand in a corner, forearms on both walls, the elbows higher than the shoulders.
    .how = Lean the chest into the corner until it stretches in front, and stay.
    .task = Reaching back for a shelf

ex-mobility-ball-upper-arm = Ball on the upper arm
    .start = Stand side-on to a wall, a small ball between the wall and the outside of the upper arm.
    .how = Lean on the ball and roll it slowly up and down the muscle. Tingling in the hand means stop.
    .task = Easing before reach

ex-prone-raise-hold-low = Lying hold, elbows bent
    .start = Lie on your front, arms out low with the elbows bent.
    .how = Lift elbows and hands off and hold them, the neck long.
    .task = Holding a map open

ex-prone-raise-hold-side = Lying hold, arms to the side
    .start = Lie on your front, arms straight out to the side, thumbs up.
    .how = Lift both arms a hand's width and hold them.
    .task = Spreading a sheet

ex-prone-raise-hold-high = Lying hold, arms up and out
    .start = Lie on your front, arms up and out, thumbs up.
    .how = Lift both arms a hand's width and hold them.
    .task = Fastening a banner overhead

ex-slow-lowering-heavy-outward = Heavy slow lowering, lying
    .start = Lie on your front, upper arm out to the side over the edge; the other hand helps the weight up.
    .how = Let the forearm down alone, as slowly as you can, and have it helped up again.
    .task = Throw/serve deceleration

ex-hand-elbow-wrist-side = Wrist, side to side
    .start = Sit with your forearm resting on a cushion, palm down.
    .how = Move the hand towards the thumb, then towards the little finger, the forearm still.
    .task = Wiping a table

ex-posture-full-breath = Full breath
    .start = Sit tall, arm { resting }.
    .how = Breathe in until belly, ribs and chest have widened, wait a moment, and let it all go.
    .task = Talking while you walk

ex-row-reverse-fly = Straight arm out against an elastic
    .start = Stand facing a door, elastic at shoulder height, the arm straight ahead.
    .how = Draw the straight arm out to the side, give way slowly.
    .task = Pulling a curtain aside

ex-arm-strength-curl-on-elastic = Curl against an elastic under the foot
    .start = Stand on the elastic, its end in the hand, elbow at your side.
    .how = Bend the elbow, lower slowly.
    .task = Lifting a bucket

ex-raise-strength-side-on-elastic = Lift to the side against an elastic
    .start = Stand on the elastic, its end in the hand, thumb forward.
    .how = Lift the arm out, not quite to shoulder height, lower slowly.
    .task = Lifting a bag into a car

ex-weight-bearing-hips-high-rock = Rock back, hips high
    .start = On hands and feet, hips up.
    .how = Push the floor away and rock the chest towards the knees, then come forward again.
    .task = Working low and reaching on

ex-slow-lowering-heavy-half-kneeling = Heavy slow lowering, half kneeling
    .start = Kneel on one knee; the other hand helps the weight up to shoulder height in front.
    .how = Lower it alone, as slowly as you can, and have it helped up again.
    .task = Lowering a heavy tool

ex-weight-bearing-all-fours-elbow-taps = All fours with elbow taps
    .start = On hands and knees, the floor pushed away.
    .how = Touch the elbow you lean on with the other hand, put it back, change; the trunk stays level.
    .task = Passing things across while propped

ex-weight-bearing-foot-march = High plank, feet marching
    .start = On hands and toes, body straight, the floor pushed away.
    .how = Lift one foot a hand's width, set it down, lift the other; the hips stay level.
    .task = Climbing under a stage

ex-weight-bearing-pike-shin-taps = Hips high with shin taps
    .start = On hands and feet, hips high.
    .how = Reach one hand back to the opposite shin, put it down, change.
    .task = Working bent over on one arm

ex-weight-bearing-wall-screw = Turning the arm on the wall
    .start = Stand leaning lightly on a wall, palms flat at chest height, elbows straight.
    .how = Without moving the hands turn the elbow creases upward, hold, and let them turn in again.
    .task = Turning a stiff handle

ex-reach-and-push-push-and-sit-back = Push the floor away and sit back
    .start = On hands and knees, the floor pushed away, the upper back round.
    .how = Keep pushing and sit back towards your heels, come forward again without letting the blades fall in.
    .task = Getting up from the floor

ex-reach-and-push-high-plank-blade-push = High plank, blades only
    .start = On hands and toes, elbows straight.
    .how = Let the chest sink between the blades, then push it up until the upper back is round; the elbows never bend.
    .task = Holding a heavy door open

ex-reach-and-push-single-high-reach = One high reach at a time
    .start = Stand tall, arm at your side.
    .how = Reach up, and at the top let shoulder and blade rise with the hand; down, wait a breath, and do the next one as well as the first.
    .task = Taking a jar from the top shelf

ex-row-blade-only = Row with the blade only
    .start = Stand facing a door, elastic at waist height, the arm straight in front.
    .how = Draw the blade back towards the spine, the elbow staying straight; let it glide forward slowly.
    .task = Starting a heavy drawer

ex-pull-down-chair-lift-held = Chair lift, held
    .start = Sit in a chair with arm rests, hands on them.
    .how = Press down, lift the body a little and stay up, the neck long; breathe.
    .task = Moving along a bench on your hands

ex-push-up-bench-three-pulses = Bench push-up with three pulses
    .start = Hands on a bench or the seat of a chair that cannot slide, body straight.
    .how = Lower, push up, and at the top push the blades apart three times before the next one.
    .task = Pushing a load and following it up

ex-mobility-heel-sitting-reach = Heel-sitting reach
    .start = On hands and knees, sit back towards your heels.
    .how = Let the hands stay and the chest sink until the sides of the back stretch, and wait.
    .task = Reaching under a low stage

ex-mobility-roller-side-of-back = Roller along the side of the back
    .start = Stand side-on to a wall, the roller between the wall and your side, just behind the armpit.
    .how = Bend and stretch the knees so that the roller travels along the side of the back. Never over numb skin, a wound or where it tingles.
    .task = Easing before reaching

ex-mobility-roller-lying-w = Arms up and down on the roller
    .start = Lie along the roller, head and hips on it, feet wide, elbows bent and out to the side.
    .how = Slide the arms up beside the head and down again, close to the floor, as far as it goes without force.
    .task = Opening up before overhead work

ex-mobility-roller-lying-hug = Hug and reach on the roller
    .start = Lie along the roller, head and hips on it, feet wide.
    .how = Open the arms round a barrel, then reach both hands to the ceiling until the blades leave the roller.
    .task = Handing something up

ex-assisted-elevation-pulley-facing = Pulley lift, facing the door
    .start = Sit facing the door under the pulley, a handle in each hand.
    .how = Pull down with the other arm so that { the-arm } is drawn up in front. Lower it slowly. Three or four quiet days here before you turn round.
    .task = Reaching for a cup

ex-wall-slide-finger-walk-oblique = Finger walk up the wall, half turned
    .start = Stand half turned to a wall, { the-arm } nearer to it, fingertips on it.
    .how = Walk the fingers up to the limit, pause, and walk them down. Three or four quiet days here before you stand side-on.
    .task = Reaching a light switch round a corner

ex-prone-raise-sitting-four-shapes = Sitting holds in four shapes
    .start = Sit tall on the edge of a chair, chin level.
    .how = Hold each in turn: elbows low and bent, elbows at shoulder height, arms out to the side, arms up and out; blades back, neck long.
    .task = Directing somebody backing in

ex-slow-lowering-heavy-across = Heavy slow lowering, across the body
    .start = Lie on the other side; the other hand helps the weight up until the arm points to the ceiling.
    .how = Let it down alone in front of you, as slowly as you can, and have it helped up again.
    .task = Follow-through of a throw

ex-quick-power-standing-ball-drops = Standing ball drops
    .start = Stand, arm out in front and to the side, palm down, a light ball in the hand.
    .how = Let the ball go and catch it from above, in an even rhythm, the shoulder quiet.
    .task = Catching what slips

ex-work-task-rope-waves = Rope waves
    .start = Stand with knees bent, the end of a heavy rope in the hand, the other end tied low ahead.
    .how = Send waves along the rope from the hip, one after the other; the shoulder stays down.
    .task = Shaking out a heavy cloth

ex-external-rotation-hands-on-slow = Outward turn against a helper's hand
    .start = Lie on your back, elbow supported at your side. Somebody trained gives the resistance at the wrist.
    .how = Turn outward against the hand, then give way slowly while it presses a little more than you can hold.
    .task = Slowing the arm

ex-active-elevation-end-holds = Short holds at the end
    .start = Stand, the arm already up in front at shoulder height.
    .how = Raise it to the end that is free today, hold it there for a few seconds, lower it to shoulder height, and again.
    .task = Working on a ceiling a moment at a time

ex-row-from-knee = Row from knee height
    .start = Stand facing a door, elastic at knee height, the arm a little in front of the thigh.
    .how = Pull the hand up to the hip pocket, the blade gliding back and down; give way slowly.
    .task = Lifting a case

ex-raise-strength-front-on-elastic = Front raise on an elastic
    .start = Stand on the elastic, its end in the hand, thumb up.
    .how = Raise the straight arm in front, no higher than the shoulder, and let it down slowly.
    .task = Putting a box on a shelf

ex-row-straight-arm-back = Straight arm back on an elastic
    .start = Stand with one foot ahead on the elastic, its end in the hand, the shoulder not drawn forward.
    .how = Pull the straight arm back past the thigh, the front of the shoulder staying where it is; give way slowly.
    .task = Pulling a trolley behind you
