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
/// ```
/// use ritorno_core::assessment::Assessment;
/// use ritorno_core::facts::{Facts, Line, Start, Story};
/// use ritorno_core::mechanics::Arm;
/// use ritorno_core::safety::{Status, check_line};
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let day0 = "2027-01-22".parse().expect("a date");
/// let story = Story::begun("cuff-repair-small-medium", Arm::Right, day0, Start::Surgery);
/// let facts = Facts::new(day0 + chrono::Days::new(20), day0 - chrono::Days::new(18_000), story);
/// let assessment = Assessment::new(&known, &facts).expect("a known pathway");
/// let line = Line {
///     id: uuid::Uuid::nil(),
///     exercise: "pendulum-cradle".into(),
///     from_day: 0,
///     to_day: 42,
///     dose: known.exercises["pendulum-cradle"].dose,
///     override_reason: None,
///     by_hand: false,
/// };
/// // Nobody has asked the red flags of this shoulder: the line is held, and says so.
/// let verdict = check_line(&assessment.ctx(), &line);
/// assert_eq!(verdict.status, Status::Blocked);
/// let unasked = verdict.findings.iter().find(|f| f.reason.rule == "flags-not-asked").expect("said");
/// // No reason of a clinician overrides that.
/// assert!(!unasked.overridable);
/// ```
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
