//! Each criterion met, not met, not measured or out of date, with the datum behind it.

use super::count::count;
use super::moved::{Judged, lag_gained, range_moved, score_moved};
use super::status::{CriterionStatus, CriterionView, met_if, op_word};
use crate::calendar::WEEK;
use crate::context::CheckContext;
use crate::facts::{Facts, OtherSide, TakenBy};
use crate::force::{StrengthSet, newest_set};
use crate::knowledge::{Comparison, Criterion, CriterionKind};
use crate::ranges::{MeasurementView, measurement_view};
use crate::reason::Reason;

/// Evaluates one criterion and its parts.
pub(crate) fn evaluate(ctx: &CheckContext, facts: &Facts, criterion: &Criterion) -> CriterionView {
    let parts: Vec<CriterionView> = criterion
        .ask
        .parts()
        .iter()
        .map(|part| evaluate(ctx, facts, part))
        .collect();
    let (status, asks, datum) = match &criterion.ask {
        CriterionKind::All { .. } => (
            parts
                .iter()
                .map(|p| p.status)
                .min()
                .unwrap_or(CriterionStatus::Met),
            Reason::new("asks-all"),
            None,
        ),
        CriterionKind::Any { .. } => (
            parts
                .iter()
                .map(|p| p.status)
                .max()
                .unwrap_or(CriterionStatus::NotMeasured),
            Reason::new("asks-any"),
            None,
        ),
        CriterionKind::AtLeast { k, .. } => {
            let mut statuses: Vec<CriterionStatus> = parts.iter().map(|p| p.status).collect();
            statuses.sort_unstable_by(|a, b| b.cmp(a));
            let status = statuses
                .get(k.saturating_sub(1))
                .copied()
                .unwrap_or(CriterionStatus::NotMeasured);
            (
                status,
                Reason::new("asks-at-least-k")
                    .with("k", *k as f64)
                    .with("n", parts.len() as f64),
                None,
            )
        }
        CriterionKind::Measure {
            quantity,
            op,
            value,
            of_other_side,
            max_age_days,
        } => measure(
            ctx,
            facts,
            quantity,
            *op,
            *value,
            *of_other_side,
            *max_age_days,
        ),
        CriterionKind::Strength {
            test,
            against,
            op,
            value,
            max_age_days,
        } => strength(
            ctx,
            facts,
            test,
            against.as_deref(),
            *op,
            *value,
            *max_age_days,
        ),
        CriterionKind::Score {
            score,
            op,
            value,
            max_age_days,
        } => {
            let asks = Reason::new("asks-score")
                .with("score", score.as_str())
                .with("op", op_word(*op))
                .with("value", *value);
            match facts.scores.iter().rev().find(|s| &s.score == score) {
                None => (CriterionStatus::NotMeasured, asks, None),
                Some(datum) => {
                    let status = if facts.day() - facts.day_of(datum.on) > *max_age_days {
                        CriterionStatus::OutOfDate
                    } else {
                        met_if(op.holds(datum.value, *value))
                    };
                    let shown = Reason::new("datum-score")
                        .with("value", datum.value)
                        .with("day", facts.day_of(datum.on));
                    (status, asks, Some(shown))
                }
            }
        }
        CriterionKind::CountFromLog {
            event,
            window_days,
            op,
            n,
        } => count(ctx, facts, *event, *window_days, *op, *n),
        CriterionKind::Change {
            quantity,
            op,
            value,
            over_days,
        } => range_moved(ctx, facts, quantity, *op, *value, *over_days),
        CriterionKind::ScoreChange {
            score,
            op,
            value,
            over_days,
        } => score_moved(facts, score, *op, *value, *over_days),
        CriterionKind::LagGain {
            op,
            value,
            max_age_days,
        } => lag_gained(ctx, facts, *op, *value, *max_age_days),
        CriterionKind::SymptomFreeDays { n } => {
            let asks = Reason::new("asks-symptom-free").with("days", *n);
            let days_ago = |on| facts.day() - facts.day_of(on);
            let last = ctx.log.slips(facts).next_back();
            let datum = last.map_or_else(
                || Reason::new("datum-no-slip"),
                |slip| Reason::new("datum-last-slip").with("day", facts.day_of(slip.on)),
            );
            // Silence is not freedom from symptoms: the log must reach back so far, and go on.
            let reaches_back = facts.log.iter().any(|e| days_ago(e.on) >= *n);
            let goes_on = facts
                .log
                .iter()
                .rev()
                .any(|e| (0..*n).contains(&days_ago(e.on)));
            match last {
                Some(slip) if days_ago(slip.on) < *n => {
                    (CriterionStatus::NotMet, asks, Some(datum))
                }
                _ if reaches_back && goes_on => (CriterionStatus::Met, asks, Some(datum)),
                _ => (
                    CriterionStatus::NotMeasured,
                    asks,
                    Some(Reason::new("datum-log-too-short").with("days", *n)),
                ),
            }
        }
        CriterionKind::TimeSince { weeks } => {
            let asks = Reason::new("asks-time")
                .with("week", *weeks)
                .with("day", weeks * WEEK);
            (
                met_if(facts.day() >= weeks * WEEK),
                asks,
                Some(Reason::new("datum-day").with("day", facts.day())),
            )
        }
        CriterionKind::Attested { code, max_age_days } => {
            let asks = Reason::new("asks-attested").with("code", code.as_str());
            match facts.attestations.iter().rev().find(|a| &a.code == code) {
                None => (CriterionStatus::NotMeasured, asks, None),
                Some(datum) => {
                    let old = facts.day() - facts.day_of(datum.on) > *max_age_days;
                    let status = if old {
                        CriterionStatus::OutOfDate
                    } else {
                        met_if(datum.holds)
                    };
                    (
                        status,
                        asks,
                        Some(Reason::new("datum-attested").with("day", facts.day_of(datum.on))),
                    )
                }
            }
        }
    };
    CriterionView {
        id: criterion.id.clone(),
        status,
        asks,
        datum,
        overridable: criterion.ask.overridable() && !protects(ctx, criterion),
        parts,
    }
}

/// Whether a criterion, or a part of it that cannot be left out, is a protective measure.
fn protects(ctx: &CheckContext, criterion: &Criterion) -> bool {
    match &criterion.ask {
        CriterionKind::Attested { code, .. } => {
            let row = ctx.known.attestations.iter().find(|a| a.id == *code);
            row.is_some_and(|a| a.protective)
        }
        CriterionKind::All { of } => of.iter().any(|part| protects(ctx, part)),
        CriterionKind::Any { of } => of.iter().all(|part| protects(ctx, part)),
        _ => false,
    }
}

/// A force in percent of the other side, or of another test of the same side.
///
/// Needs three sound pushes on both, and an other side that may serve; an unsteady or painful set is shown and not used.
fn strength(
    ctx: &CheckContext,
    facts: &Facts,
    test: &str,
    against: Option<&str>,
    op: Comparison,
    value: f64,
    max_age: i32,
) -> Judged {
    let asks = Reason::new(if against.is_some() {
        "asks-ratio"
    } else {
        "asks-strength"
    })
    .with("strength", test)
    .with("other_strength", against.unwrap_or(""))
    .with("op", op_word(op))
    .with("value", value);
    let own = facts.story.side;
    if against.is_none()
        && !matches!(
            facts.story.other_side,
            OtherSide::Sound | OtherSide::Hypermobile
        )
    {
        return (
            CriterionStatus::NotMeasured,
            asks,
            Some(Reason::new("datum-other-side-no-measure")),
        );
    }
    let pair = (
        newest_set(ctx, facts, test, own),
        newest_set(
            ctx,
            facts,
            against.unwrap_or(test),
            if against.is_some() { own } else { own.other() },
        ),
    );
    let (Some(mine), Some(base)) = pair else {
        return (CriterionStatus::NotMeasured, asks, None);
    };
    let sound = |set: &StrengthSet| set.trials.iter().filter(|t| t.sound).count() >= 3;
    let (Some(a), Some(b)) = (mine.mean_n, base.mean_n.filter(|n| *n > 0.0)) else {
        return (CriterionStatus::NotMeasured, asks, None);
    };
    let datum = Reason::new("datum-strength")
        .with("value", (100.0 * a / b).round())
        .with("day", facts.day_of(mine.on));
    if !sound(&mine) || !sound(&base) {
        return (
            CriterionStatus::NotMeasured,
            asks,
            Some(Reason::new("datum-strength-few").with("day", facts.day_of(mine.on))),
        );
    }
    if facts.day() - facts.day_of(mine.on.min(base.on)) > max_age {
        return (CriterionStatus::OutOfDate, asks, Some(datum));
    }
    (met_if(op.holds(100.0 * a / b, value)), asks, Some(datum))
}

/// A measured criterion: one measurement by a clinician, or two by the patient some days apart that both suffice.
fn measure(
    ctx: &CheckContext,
    facts: &Facts,
    quantity: &str,
    op: Comparison,
    value: f64,
    of_other_side: bool,
    max_age: i32,
) -> Judged {
    let mut asks = Reason::new(if of_other_side {
        "asks-measure-of-other"
    } else {
        "asks-measure"
    })
    .with("quantity", quantity)
    .with("op", op_word(op))
    .with("value", value);
    let bound = if of_other_side {
        let other = facts
            .measurements
            .iter()
            .rev()
            .find(|r| r.quantity == quantity && r.side != facts.story.side);
        match other {
            Some(other) => value / 100.0 * other.value,
            None => {
                return (
                    CriterionStatus::NotMeasured,
                    asks.with("bound", "unknown"),
                    Some(Reason::new("datum-other-side-missing")),
                );
            }
        }
    } else {
        value
    };
    asks = asks.with("bound", bound.round());
    let views: Vec<MeasurementView> = facts
        .operated_measurements(quantity)
        .rev()
        .map(|r| measurement_view(ctx, facts, r))
        .collect();
    let Some(last) = views.first() else {
        return (CriterionStatus::NotMeasured, asks, None);
    };
    let datum = |rule: &str, view: &MeasurementView| {
        Reason::new(rule)
            .with("quantity", quantity)
            .with("value", view.measurement.value)
            .with("day", view.day)
    };
    if last.over_ceiling {
        return (
            CriterionStatus::NotMet,
            asks,
            Some(datum("datum-over-ceiling", last)),
        );
    }
    if let Some(impossible) = &last.impossible {
        return (CriterionStatus::NotMeasured, asks, Some(impossible.clone()));
    }
    if facts.day() - last.day > max_age {
        return (
            CriterionStatus::OutOfDate,
            asks,
            Some(datum("datum-measurement", last)),
        );
    }
    // "At the limit" means at least this much, so it can satisfy a floor but never an upper bound.
    let holds = |view: &MeasurementView| {
        view.usable()
            && op.holds(view.measurement.value, bound)
            && !(view.at_limit && op == Comparison::AtMost)
    };
    let rule = if last.at_limit {
        "datum-at-limit"
    } else {
        "datum-measurement"
    };
    if last.measurement.by == TakenBy::Clinician || !holds(last) {
        return (met_if(holds(last)), asks, Some(datum(rule, last)));
    }
    let apart = ctx.known.threshold("repeat-self-measure-days") as i32;
    let second = views
        .iter()
        .skip(1)
        .any(|v| last.day - v.day >= apart && facts.day() - v.day <= max_age && holds(v));
    if second {
        (
            CriterionStatus::Met,
            asks,
            Some(datum("datum-two-self-measurements", last)),
        )
    } else {
        (
            CriterionStatus::NotMeasured,
            asks,
            Some(datum("datum-one-self-measurement", last)),
        )
    }
}
