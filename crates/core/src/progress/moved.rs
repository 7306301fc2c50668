//! Criteria about change: a range, a score or a lag against its own earlier value.

use super::status::{CriterionStatus, met_if, op_word};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, TestAnswer};
use crate::knowledge::{Comparison, HealingClock};
use crate::ranges::measurement_view;
use crate::reason::Reason;

pub(super) type Judged = (CriterionStatus, Reason, Option<Reason>);

/// The newest of some dated values, and the oldest of a window that lies at least half a window before it.
fn moved(
    today: EpisodeDay,
    over_days: i32,
    dated: &[(EpisodeDay, f64)],
) -> Option<(EpisodeDay, f64)> {
    let (last_day, last) = *dated.last()?;
    let (first_day, first) = *dated.iter().find(|(day, _)| today - day <= over_days)?;
    (2 * (last_day - first_day) >= over_days).then_some((last_day, last - first))
}

/// Change of a range; measurements that cannot be, or that stopped at the permitted limit, say nothing of change.
pub(super) fn range_moved(
    ctx: &CheckContext,
    facts: &Facts,
    quantity: &str,
    op: Comparison,
    value: f64,
    over_days: i32,
) -> Judged {
    let asks = Reason::new("asks-change")
        .with("quantity", quantity)
        .with("op", op_word(op))
        .with("value", value)
        .with("days", over_days);
    let views = facts
        .operated_measurements(quantity)
        .map(|r| measurement_view(ctx, facts, r));
    let dated: Vec<(EpisodeDay, f64)> = views
        .filter(|v| v.usable() && !v.at_limit)
        .map(|v| (v.day, v.measurement.value))
        .collect();
    judge_move(facts, asks, op, value, over_days, &dated)
}

pub(super) fn score_moved(
    facts: &Facts,
    score: &str,
    op: Comparison,
    value: f64,
    over_days: i32,
) -> Judged {
    let asks = Reason::new("asks-score-change")
        .with("score", score)
        .with("op", op_word(op))
        .with("value", value)
        .with("days", over_days);
    let dated: Vec<(EpisodeDay, f64)> = facts
        .scores
        .iter()
        .filter(|s| s.score == score)
        .map(|s| (facts.day_of(s.on), s.value))
        .collect();
    judge_move(facts, asks, op, value, over_days, &dated)
}

fn judge_move(
    facts: &Facts,
    asks: Reason,
    op: Comparison,
    value: f64,
    over_days: i32,
    dated: &[(EpisodeDay, f64)],
) -> Judged {
    match moved(facts.day(), over_days, dated) {
        None => (CriterionStatus::NotMeasured, asks, None),
        Some((day, by)) => (
            met_if(op.holds(by, value)),
            asks,
            Some(Reason::new("datum-change").with("by", by).with("day", day)),
        ),
    }
}

/// The greatest gain of lag among the lag tests of the affected side.
pub(super) fn lag_gained(
    ctx: &CheckContext,
    facts: &Facts,
    op: Comparison,
    value: f64,
    max_age: i32,
) -> Judged {
    let asks = Reason::new("asks-lag-gain")
        .with("op", op_word(op))
        .with("value", value);
    let gains = ctx.known.lag_tests().filter_map(|test| {
        let found = facts
            .findings
            .iter()
            .filter(|f| f.test == test.id && f.side == facts.story.side && facts.day_of(f.on) >= 0);
        let dated: Vec<(EpisodeDay, f64)> = found
            .filter_map(|f| match f.answer {
                TestAnswer::Number { value } => Some((facts.day_of(f.on), value)),
                _ => None,
            })
            .collect();
        let (day, last) = *dated.last()?;
        let before = match dated.len() {
            // What was there before the shoulder was first looked at is nothing new; after an operation none was to be left.
            1 if ctx.rules.clock != HealingClock::Operation => return None,
            1 => 0.0,
            _ => dated[0].1,
        };
        Some((last - before, day))
    });
    match gains.max_by(|a, b| a.0.total_cmp(&b.0)) {
        None => (CriterionStatus::NotMeasured, asks, None),
        Some((by, day)) => {
            let datum = Some(Reason::new("datum-change").with("by", by).with("day", day));
            if facts.day() - day > max_age {
                return (CriterionStatus::OutOfDate, asks, datum);
            }
            (met_if(op.holds(by, value)), asks, datum)
        }
    }
}
