# Ranges.

due-again = due again

ranges-title = Ranges
ranges-side = Side
ranges-arc = pain began, pain ended
ranges-arc-kept = pain from { $from }° to { $to }°
ranges-operated = This side, { $side }
ranges-other = Other side, { $side }
ranges-say-why = Why did it stop? One key.
ranges-kept = Kept just now
ranges-how = Type the degrees, then one key for why it stopped: it is kept and the next dial comes up. Arrows move, o changes side, u takes back.

device-lift = Inclinometer, simulated
device-lifting = Lift, hold still
ranges-landmark = What is that at home?
ranges-method = Measured with
device-lost-lift = The inclinometer was lost. Nothing was kept; lift again, or type the angle.
