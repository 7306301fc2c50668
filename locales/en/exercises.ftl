# Names and instructions of the exercises: what the patient reads. Plain words, no degrees.

ex-hew1 = Finger open and close
    .start = Sit with your arm resting in the sling.
    .how = Open your fingers wide, then close them into a loose fist.
    .task = Holding a cup

ex-hew3 = Wrist bends
    .start = Sit with your forearm resting on a cushion.
    .how = Bend your wrist up as far as is easy, then down.
    .task = Turning pages

ex-hew4 = Palm up, palm down
    .start = Sit with your elbow bent and tucked against your side.
    .how = Turn your palm up to the ceiling, then down to the floor. Only the forearm turns.
    .task = Turning a key

ex-hew6 = Elbow bend and straighten
    .start = Stand. Slip the sling off and let the upper arm rest against your side.
    .how = Slowly straighten the elbow, then bend it. The upper arm does not move.
    .task = Bringing a hand to your mouth

ex-hew7 = Soft-ball squeeze
    .start = Sit with your forearm resting, a soft ball or rolled sock in your hand.
    .how = Squeeze about half as hard as you could, hold, and let go slowly.
    .task = Opening a jar

ex-pos1 = Tall sitting
    .start = Sit towards the front of a chair, arm in the sling.
    .how = Grow tall through the top of your head and let the shoulders be soft. Hold, then rest.
    .task = Desk work

ex-pos2 = Chin back
    .start = Sit tall, eyes level.
    .how = Slide your chin straight back, as if making a double chin. Hold, then let go.
    .task = Driving posture

ex-pos4 = Ear to shoulder
    .start = Sit tall, arm in the sling.
    .how = Tip your ear towards one shoulder until you feel a mild stretch, then the other.
    .task = Comfort in the sling

ex-pos6 = Quiet breathing
    .start = Lie on your back, arm held up on a pillow.
    .how = Breathe in through the nose so the belly rises, and let it fall slowly.
    .task = Sleep and easing pain

ex-scp1 = Shoulder-blade clock
    .start = Sit tall, arm in the sling, the arm itself still.
    .how = Glide the shoulder blade a little up, down, forward and back, as if to four points of a clock.
    .task = Body awareness in the sling

ex-scp2 = Gentle blade setting
    .start = Sit tall, arm in the sling.
    .how = Draw the shoulder blade a little back, as lightly as you can. Hold, then let go.
    .task = Sitting at a desk

ex-scp3 = Shrug and lower
    .start = Sit tall, arm in the sling.
    .how = Lift both shoulders a little towards your ears, then lower them slowly.
    .task = Lifting a strap onto the shoulder

ex-scp4 = Shoulder rolls
    .start = Sit tall, arm in the sling.
    .how = Roll both shoulders up, back and down, small and slow.
    .task = Easing tension

ex-scp5 = Table reach with the blade
    .start = Sit at a table, forearm resting on a cloth.
    .how = Slide the hand a little forward by moving the shoulder blade, then draw it back.
    .task = Reaching for a mug

ex-pen1 = Cradle and rock
    .start = Sit. Cradle the operated arm with your other arm, like holding a baby.
    .how = Rock your body gently and let the arm go along with it. The cradled arm stays asleep.
    .task = Taking the sling off to wash

ex-pen2 = Hanging swing, forward and back
    .start = Lean forward, your other hand on a table. Let the operated arm hang.
    .how = Sway your body forward and back so the arm swings by itself, a hand's width each way.
    .task = Threading a sleeve

ex-pen3 = Hanging swing, side to side
    .start = Lean forward, your other hand on a table. Let the operated arm hang.
    .how = Sway from foot to foot so the arm swings a little from side to side.
    .task = Washing under the arm

ex-pen4 = Hanging swing, small circles
    .start = Lean forward, your other hand on a table. Let the operated arm hang.
    .how = Move your body in a small circle so the hand draws a circle the size of a plate. Then the other way.
    .task = Putting on a coat

ex-pel1 = Lying lift with the other hand
    .start = Lie on your back, a small pillow under the upper arm. Hold the operated wrist with your other hand.
    .how = Let the other arm lift the operated one. It stays heavy. Pause at the limit, then lower slowly.
    .task = Hand to forehead when lying

ex-pel2 = Table slide, forward
    .start = Sit at a table, the operated hand on a cloth.
    .how = Bow forward from the hips and let the hand slide away. Come back by sitting up.
    .task = Wiping a table

ex-pel3 = Table slide, to the side
    .start = Sit side-on to a table, the operated hand on a cloth.
    .how = Lean towards the table and let the hand slide away between front and side. Sit back up.
    .task = Reaching across a bed

ex-pel5 = Lying lift with a stick
    .start = Lie on your back, both hands on a stick.
    .how = Lift the stick up and back with the good arm leading. Pause, then lower slowly.
    .task = Pulling a duvet up

ex-pel7 = Pulley lift
    .start = Sit under a door pulley, a handle in each hand.
    .how = Pull down with the good arm so that the operated arm is drawn up. Lower it slowly.
    .task = Hanging up a coat

ex-pel8 = Standing lift with a stick
    .start = Stand, both hands on a stick in front of you.
    .how = Lift the stick with the good arm leading, to the limit, and lower it slowly.
    .task = Lifting a light box with two hands

ex-per1 = Lying outward turn with a stick
    .start = Lie on your back, elbow bent and resting on a folded towel at your side. Hold a stick in both hands.
    .how = Push with the good hand so that the operated forearm turns outward. Pause at the limit, come back.
    .task = Opening a door

ex-per2 = Sitting outward turn at a table
    .start = Sit with the operated forearm resting on a table, elbow near your side.
    .how = Keep the forearm still and turn your body away from it, to the limit. Turn back.
    .task = Using a computer mouse

ex-per3 = Lying outward turn, arm away
    .start = Lie on your back, the elbow resting on a towel half-way out from your side. Hold a stick in both hands.
    .how = Push with the good hand so that the forearm tips back. Pause at the limit, come back.
    .task = Turning a steering wheel

ex-irs1 = Hand to belly, helped
    .start = Lie on your back, elbow on a towel. Hold the operated wrist with your other hand.
    .how = Let the other hand bring the operated hand down to your belly. Pause, come back.
    .task = Hand to belly

ex-irs7 = Reach behind the back
    .start = Stand. Let the arm hang.
    .how = Slide the back of your hand round to your back pocket, no further than is easy.
    .task = Tucking in a shirt

ex-wal1 = Finger walk up the wall
    .start = Stand facing a wall, fingertips on it.
    .how = Walk the fingers up the wall to the limit, pause, and walk them down.
    .task = Reaching a light switch

ex-wal3 = Towel slide up the wall
    .start = Stand facing a wall, both hands on a towel against it.
    .how = Slide the towel up to the limit, and let it come down slowly.
    .task = Cleaning a window

ex-wal4 = Forearm slide up the wall
    .start = Stand, both forearms on a wall, a light push.
    .how = Slide the forearms up while reaching a little, to the limit, and slowly down.
    .task = Painting a wall

ex-ael1 = Arm balance, lying
    .start = Lie on your back. Your other hand helps the arm up until it points at the ceiling.
    .how = Let go and balance it there. Draw small arcs towards your head and feet.
    .task = Holding a book when lying down

ex-ael2 = Lying lift, elbow bent
    .start = Lie on your back, elbow bent.
    .how = Lift the elbow up and back as far as the limit, then lower it slowly.
    .task = Hand to head when lying

ex-ael3 = Lying lift, elbow straight
    .start = Lie on your back, elbow straight, thumb towards your head.
    .how = Lift the arm up and back to the limit, then lower it slowly.
    .task = Pulling a sheet over your head

ex-ael5 = Leaning-back lift
    .start = Lie back against pillows, half-way to sitting.
    .how = Lift the arm with a bent elbow, straighten as it rises, lower slowly.
    .task = Reaching from an armchair

ex-ael7 = Standing lift, elbow bent
    .start = Stand tall, elbow bent.
    .how = Lift the elbow forward and a little out, no higher than the limit, without hitching the shoulder.
    .task = Hand to mouth and hair

ex-ael8 = Standing lift to shoulder height
    .start = Stand tall, elbow straight, thumb up.
    .how = Lift the arm forward and a little out to shoulder height, and lower it slowly.
    .task = Reaching a shelf at shoulder height

ex-ael9 = Full standing lift
    .start = Stand tall, elbow straight, thumb up.
    .how = Lift the arm forward and a little out, as high as the limit, and lower it slowly.
    .task = Reaching overhead

ex-erl1 = Outward turn on a table
    .start = Sit with your elbow and forearm on a table.
    .how = Turn the forearm outward along the table to the limit, and slowly back.
    .task = Opening a drawer

ex-erl2 = Side-lying outward turn
    .start = Lie on your good side, a towel between elbow and ribs, elbow bent.
    .how = Turn the forearm up to the limit, and lower it slowly.
    .task = Tucking in a pillow

ex-erl3 = Side-lying outward turn with a weight
    .start = Lie on your good side, a towel between elbow and ribs, a small weight in your hand.
    .how = Turn the forearm up to the limit, and lower it slowly.
    .task = Pulling a heavy drawer

ex-erl4 = Standing outward turn with elastic
    .start = Stand side-on to a door, elastic at elbow height, a rolled towel under your elbow.
    .how = Turn the forearm outward to the limit, and let it come back slowly.
    .task = Opening a heavy door

ex-irl1 = Slide to belly
    .start = Sit with the forearm on a table.
    .how = Slide the hand in to your belly and slowly out again.
    .task = Closing a drawer

ex-irl2 = Standing inward turn with elastic
    .start = Stand side-on to a door, elastic at elbow height, a rolled towel under your elbow.
    .how = Turn the forearm in towards your belly, and let it go back slowly.
    .task = Closing a door

ex-iso1 = Outward press against a wall
    .start = Stand beside a wall, elbow bent and tucked in, back of the hand on the wall.
    .how = Press gently outward. Build up over two seconds, hold, ease off.
    .task = Steadying a door

ex-iso2 = Inward press against a frame
    .start = Stand at a door frame, elbow bent and tucked in, palm on the frame.
    .how = Press gently inward. Build up over two seconds, hold, ease off.
    .task = Holding a bag to your chest

ex-iso3 = Forward press against a wall
    .start = Stand facing a wall, elbow bent, fist on the wall.
    .how = Press gently forward. Build up, hold, ease off.
    .task = Starting to push a door

ex-iso5 = Sideways press against a wall
    .start = Stand beside a wall, elbow bent, outside of the elbow on the wall.
    .how = Press gently sideways. Build up, hold, ease off.
    .task = Starting to lift the arm sideways

ex-ser1 = Ceiling punch
    .start = Lie on your back, arm pointing at the ceiling.
    .how = Reach the fist up a few centimetres, so the blade leaves the bed. Hold, lower.
    .task = Reaching up for a bag

ex-ser2 = Ceiling punch with a weight
    .start = Lie on your back, a small weight in your hand, arm pointing at the ceiling.
    .how = Reach the fist up a few centimetres. Hold, lower slowly.
    .task = Passing something forward

ex-row1 = Straight-arm pull to the hip
    .start = Stand facing a door, elastic at waist height, arm a little raised in front.
    .how = Pull the straight arm down to your hip and no further. Let it rise slowly.
    .task = Closing a low drawer

ex-row2 = Low row
    .start = Stand facing a door, elastic at waist height.
    .how = Pull the hand to your ribs, elbow close, and let it go forward slowly.
    .task = Pulling a door open

ex-elv1 = Raise to shoulder height with a weight
    .start = Stand tall, a small weight in your hand, thumb up.
    .how = Raise the arm forward and a little out to shoulder height, and lower it slowly.
    .task = Putting a bowl on a shelf

ex-elv2 = Raise overhead with a weight
    .start = Stand tall, a small weight in your hand, thumb up.
    .how = Raise the arm forward and a little out, overhead, and lower it slowly.
    .task = Reaching a top shelf

ex-ser3 = Wall push with the blade
    .start = Stand with both hands on a wall, elbows straight.
    .how = Let the chest sink a little between the blades, then push it away.
    .task = Leaning on a wall
