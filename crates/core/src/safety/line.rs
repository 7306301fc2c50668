//! One line of a program on every day it runs.

use super::check::check_exercise;
use super::verdict::{Finding, Status, Verdict};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Line;
use crate::reason::Reason;

/// Days in `[from, to)` on which a rule of the pathway or a limit changes, and `from` itself.
fn turning_days(ctx: &CheckContext, from: EpisodeDay, to: EpisodeDay) -> Vec<EpisodeDay> {
    let rules = ctx.rules.turning_days().iter().copied();
    let mut days: Vec<EpisodeDay> = rules
        .chain(ctx.limits.iter().filter_map(|l| l.until_day))
        .chain([from, ctx.today])
        .collect();
    days.retain(|day| *day == from || (from..to).contains(day));
    days.sort_unstable();
    days.dedup();
    days
}

/// Checks a line on every day from today on (from its first day, where that is later).
///
/// Only the days on which some rule changes are looked at: between them every rule says the same.
pub fn check_line(ctx: &CheckContext, line: &Line) -> Verdict {
    let ctx = &CheckContext {
        planning: true,
        ..*ctx
    };
    let from = line.from_day.max(ctx.today);
    if line.to_day <= line.from_day {
        let reason = Reason::new("line-ends-before-start")
            .with("from_day", line.from_day)
            .with("to_day", line.to_day);
        return Verdict::of(vec![Finding {
            status: Status::Blocked,
            reason,
            overridable: false,
            day: line.from_day,
        }]);
    }
    let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
        let reason = Reason::new("unknown-exercise").with("exercise", line.exercise.as_str());
        return Verdict::of(vec![Finding {
            status: Status::Blocked,
            reason,
            overridable: false,
            day: from,
        }]);
    };
    if from >= line.to_day {
        return Verdict::of(Vec::new());
    }
    let mut findings: Vec<Finding> = Vec::new();
    for day in turning_days(ctx, from, line.to_day) {
        for finding in check_exercise(ctx, exercise, &line.dose, day).findings {
            let seen = findings.iter().any(|f| {
                f.reason.rule == finding.reason.rule
                    && ["quantity", "group", "flag", "kit", "position"]
                        .iter()
                        .all(|k| f.reason.args.get(*k) == finding.reason.args.get(*k))
            });
            if !seen {
                findings.push(finding);
            }
        }
    }
    findings.sort_by_key(|f| std::cmp::Reverse(f.status));
    Verdict::of(findings)
}
