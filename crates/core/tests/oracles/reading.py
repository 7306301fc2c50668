"""Independent answers for the reading and reliability tests: adaptive integration and a statistics package.

python3 -m pip install scipy pingouin; python3 reading.py > reading.json
"""
import itertools, json, sys
import numpy as np, pandas as pd, pingouin as pg
from scipy import integrate, optimize, stats

phi, quant = stats.norm.cdf, stats.norm.ppf

def likelihood(shares, pattern, rho):
    a = np.sqrt(rho)
    def integrand(u):
        p = phi((quant(np.array(shares)) + a * u) / np.sqrt(1 - a * a))
        return np.prod(np.where(pattern, p, 1 - p)) * stats.norm.pdf(u)
    return integrate.quad(integrand, -9, 9, epsabs=1e-13, epsrel=1e-11, limit=400)[0]

groups = []
for name, s, f, rho in [
    ("three signs", [.715, .735, .416], [.337, .189, .099], .4),
    ("strong dependence", [.9, .6, .3, .8], [.4, .2, .05, .3], .6),
    ("weak dependence", [.758, .349, .505], [.382, .125, .16], .03),
    ("extremes", [.99, .02], [.01, .5], .5),
]:
    cells = [{"pattern": list(map(bool, p)), "with": likelihood(s, p, rho), "without": likelihood(f, p, rho)}
             for p in itertools.product([0, 1], repeat=len(s))]
    groups.append({"name": name, "sensitivity": s, "false_positive": f, "rho": rho, "cells": cells})

# One positive test with counts: the 2.5 % and 97.5 % ends of the ratio of two Beta variables, by integration.
def ratio_end(share, x, n, y, m, negative=False):
    s, f = stats.beta(x + .5, n - x + .5), stats.beta(y + .5, m - y + .5)
    if negative:
        s, f = stats.beta(n - x + .5, x + .5), stats.beta(m - y + .5, y + .5)
    below = lambda r: integrate.quad(lambda v: f.pdf(v) * s.cdf(min(r * v, 1)), 0, 1, limit=400, epsabs=1e-10)[0]
    return optimize.brentq(lambda r: below(r) - share, 1e-4, 1e5)

intervals = []
for x, n, y, m, negative in [(9.5, 19, 8.82, 63, False), (16.91, 19, 32.13, 63, True), (33.12, 46, 12.68, 317, False)]:
    intervals.append({"x": x, "n": n, "y": y, "m": m, "negative": negative,
                      "low": ratio_end(.025, x, n, y, m, negative), "high": ratio_end(.975, x, n, y, m, negative)})

def icc(table):
    long = pd.DataFrame([(i, j, v) for i, row in enumerate(table) for j, v in enumerate(row)], columns=["s", "r", "v"])
    out = pg.intraclass_corr(long, targets="s", raters="r", ratings="v").set_index("Type")
    key = lambda *names: next(n for n in names if n in out.index)
    column = next(c for c in out.columns if c.startswith("CI"))
    pick = lambda n: {"value": float(out.loc[n, "ICC"]), "low": float(out.loc[n, column][0]), "high": float(out.loc[n, column][1])}
    return {"table": table, "icc_2_1": pick(key("ICC2", "ICC(A,1)")), "icc_3_1": pick(key("ICC3", "ICC(C,1)"))}

rng = np.random.default_rng(7)
true = rng.normal(120, 25, 14)
second = [[float(round(t + b + rng.normal(0, 5))) for b in (0, 4, -3)] for t in true]
classic = [[9, 2, 5, 8], [6, 1, 3, 2], [8, 4, 6, 8], [7, 1, 2, 6], [10, 5, 6, 9], [6, 2, 4, 7]]
json.dump({"groups": groups, "intervals": intervals, "icc": [icc([list(map(float, r)) for r in classic]), icc(second)]}, sys.stdout, indent=1)
