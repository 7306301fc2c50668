"""Moments about the shoulder by plain three-dimensional vectors: an independent way to the numbers in moments.json.

Independent on purpose: rotation matrices instead of quaternions, forces summed one by one in room axes, and the clinical axes
by numerical derivatives of the elbow's position instead of formulas. The rubber curve is fitted by scipy.

    pip install numpy scipy; python3 moments.py > moments.json
"""
import json
import numpy as np
from scipy.optimize import brentq, curve_fit

G = 9.81
TABLE = [(0.028, 0.186, 0.436), (0.016, 0.146, 0.430), (0.006, 0.078, 0.5)]  # mass/M, length/H, centre/length
LEAN = {"standing": 0, "sitting": 0, "kneeling": 0, "reclined": -48, "supine": -90, "prone": 90, "forward_lean": 58, "table_bow": 0,
        "hands_and_knees": 76, "plank": 62, "pike": 115, "wall_lean": 14, "counter_lean": 38}


def rot(axis, deg):
    a = np.asarray(axis, float) / np.linalg.norm(axis)
    t = np.radians(deg)
    k = np.array([[0, -a[2], a[1]], [a[2], 0, -a[0]], [-a[1], a[0], 0]])
    return np.eye(3) + np.sin(t) * k + (1 - np.cos(t)) * k @ k


def upper(plane, elevation):
    # Lift sideways first, then carry the lifted arm forward about the vertical: another order than the core's swing.
    return rot([0, 1, 0], plane) @ rot([1, 0, 0], -elevation) @ np.array([0, -1.0, 0])


def arm_matrix(plane, elevation, twist):
    # The shortest swing equals: turn the plane back, lift, turn it forward again.
    swing = rot([0, 1, 0], plane) @ rot([1, 0, 0], -elevation) @ rot([0, 1, 0], -plane)
    return rot(upper(plane, elevation), twist) @ swing


def trunk(attitude, case):
    if attitude == "side_lying":
        return np.column_stack([[0, 0, 1], [1, 0, 0], [0, 1, 0]]).astype(float)
    if attitude == "table_bow":
        # The trunk bows until the wrist lies on a table 0.16 of body height above the seat; upright or 75 degrees at most.
        bend = np.radians(case["elbow_deg"])
        r = arm_matrix(case["plane_deg"], case["elevation_deg"], case["twist_deg"])
        wrist = np.array([0, 0.288, 0]) + r @ np.array([0, -0.186, 0]) + r @ np.array([np.sin(bend), -np.cos(bend), 0]) * 0.146
        high = lambda lean: (rot([0, 0, 1], -lean) @ wrist)[1] - 0.16
        lean = 0.0 if high(0.0) < 0 else 75.0 if high(75.0) > 0 else brentq(high, 0.0, 75.0)
        return rot([0, 0, 1], -lean)
    if attitude == "side_plank":
        # Upright, laid over to the working side until the head is 20 degrees up, then turned to face the viewer.
        return rot([0, 1, 0], -90) @ rot([1, 0, 0], 70)
    return rot([0, 0, 1], -LEAN[attitude])


def moment(case):
    m, h = case["mass_kg"], case["height_m"]
    room = trunk(case["attitude"], case)
    r = arm_matrix(case["plane_deg"], case["elevation_deg"], case["twist_deg"])
    bend = np.radians(case["elbow_deg"])
    u = room @ r @ np.array([0, -1.0, 0])
    f = room @ r @ np.array([np.sin(bend), -np.cos(bend), 0])
    lengths = [s[1] * h for s in TABLE]
    elbow = u * lengths[0]
    wrist = elbow + f * lengths[1]
    hand = wrist + f * TABLE[2][2] * lengths[2]
    centres = [u * TABLE[0][2] * lengths[0], elbow + f * TABLE[1][2] * lengths[1], hand]
    total = np.zeros(3)
    for (share, _, _), c in zip(TABLE, centres):
        total += np.cross(c, [0, -share * m * G * (1 - case["carried"]), 0])
    total += np.cross(hand, [0, -case["weight_kg"] * G, 0])
    total += np.cross(hand, case["support_n"])
    pull = 0.0
    if case["band"]:
        b = case["band"]
        to = np.array(b["anchor"]) - hand
        stretch = np.linalg.norm(to) / b["slack_m"]
        pull = b["strands"] * (b["a_n"] + b["b_n"] / stretch) * (stretch - stretch ** -2) if stretch > 1 else 0.0
        total += np.cross(hand, to / np.linalg.norm(to) * pull)
    need = -(room.T @ total)
    # Clinical axes by finite differences of where the elbow goes.
    p, e, d = case["plane_deg"], case["elevation_deg"], 1e-4
    up = upper(p, e)
    rise = (upper(p, e + d) - upper(p, e - d)) / (2 * np.radians(d))
    # Where the arm hangs the plane has no length of its own: take the direction it would have a little higher.
    lift = max(e, 1e-3)
    across = upper(p + d, lift) - upper(p - d, lift)
    across = across / np.linalg.norm(across)
    return {"rotation_nm": float(need @ up), "raising_nm": float(need @ np.cross(up, rise)), "across_nm": float(need @ np.cross(up, across)), "force_n": float(pull)}


cases = []
rng = np.random.default_rng(20260)
attitudes = list(LEAN) + ["side_lying", "side_plank"]
poses = [(30, 0, 0, 90), (0, 90, 0, 0), (30, 90, 45, 90), (90, 60, -20, 10), (80, 120, -60, 20), (-60, 30, 20, 45), (100, 80, -90, 90)]
for i, attitude in enumerate(attitudes):
    for j in range(6):
        plane, elevation, twist, elbow = poses[(i + j) % len(poses)] if j < 4 else (
            float(np.round(rng.uniform(-80, 130), 1)), float(np.round(rng.uniform(2, 165), 1)), float(np.round(rng.uniform(-90, 90), 1)), float(np.round(rng.uniform(0, 130), 1)))
        case = {"attitude": attitude, "plane_deg": plane, "elevation_deg": elevation, "twist_deg": twist, "elbow_deg": elbow,
                "mass_kg": 75.0 if j % 2 == 0 else 58.5, "height_m": 1.75 if j % 2 == 0 else 1.62, "weight_kg": [0, 2.0, 0, 0.5, 0, 1.0][j],
                "carried": 0.4 if j == 2 else 0.0, "support_n": [0.0, 180.0, 0.0] if j == 5 else [0.0, 0.0, 0.0],
                "band": {"anchor": [float(np.round(rng.uniform(-1, 1.5), 3)), float(np.round(rng.uniform(-1.4, 0.6), 3)), float(np.round(rng.uniform(-1.2, 0.8), 3))],
                         "slack_m": 0.6, "a_n": 12.0, "b_n": 6.0, "strands": 2.0 if j == 4 else 1.0} if j in (3, 4) else None}
        case["expected"] = moment(case)
        cases.append(case)

# A rubber curve through shaken points, fitted by a general-purpose library.
law = lambda pct, a, b: (a + b / (1 + pct / 100)) * ((1 + pct / 100) - (1 + pct / 100) ** -2)
fits = []
for a, b, noise in [(10.0, 5.0, 0.3), (25.0, -4.0, 0.8), (6.0, 0.0, 0.1)]:
    pct = np.array([20, 50, 80, 110, 140, 170, 200, 240], float)
    force = np.round(law(pct, a, b) + rng.normal(0, noise, pct.size), 3)
    best, cov = curve_fit(law, pct, force, p0=[1.0, 1.0])
    fits.append({"points": [{"elongation_pct": p, "force_n": n} for p, n in zip(pct.tolist(), force.tolist())],
                 "a_n": float(best[0]), "b_n": float(best[1]), "at_100_n": float(law(100.0, *best)), "covariance": cov.ravel().tolist()})
print(json.dumps({"cases": cases, "fits": fits}, indent=1))
