"""Independent slopes through the median, with 80 % intervals, from a general statistics package.

python3 -m pip install scipy; python3 trend.py > trend.json
"""
import json, random
from scipy import stats

random.seed(20261125)
cases = []
for n in [4, 5, 6, 8, 12, 20]:
    for kind in ["rising", "falling", "flat", "ties"]:
        days = sorted(random.sample(range(0, 15 * n), n))
        slope = {"rising": 0.8, "falling": -0.5, "flat": 0.0, "ties": 0.3}[kind]
        values = [60 + slope * d + random.gauss(0, 6) for d in days]
        if kind == "ties":
            values = [float(5 * round(v / 5)) for v in values]
            days = [7 * (d // 7) for d in days]
        if days[-1] - days[0] < 14:
            days[-1] = days[0] + 14
        values = [round(v, 3) for v in values]
        got = stats.theilslopes(values, days, alpha=0.8, method="separate")
        cases.append({"kind": kind, "days": days, "values": values, "slope": got.slope, "low": got.low_slope,
                      "high": got.high_slope, "at_last": got.intercept + got.slope * days[-1]})
print(json.dumps(cases, indent=1))
