//! Gates: each criterion met, not met, not measured or out of date, with the datum behind it.

use crate::calendar::{EpisodeDay, WEEK};
use crate::episode::{Facts, LAG_TESTS, LogFact, OtherSide, TakenBy, TestAnswer, UseHow};
use crate::knowledge::{Comparison, Criterion, CriterionKind, HealingClock, LogEvent};
use crate::program::{CheckContext, GateRule, scheduled_lines};
use crate::ranges::{MeasurementView, measurement_view};
use crate::reason::Reason;
use crate::strength::{StrengthSet, newest_set};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Where a criterion stands, worst first: `all` takes the smallest, `any` the greatest.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CriterionStatus {
    /// There is a valid datum and it does not suffice.
    NotMet,
    /// There is a datum, and it is too old.
    OutOfDate,
    /// There is no datum.
    NotMeasured,
    /// There is a valid datum and it suffices.
    Met,
}

/// One criterion as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CriterionView {
    /// Id within the gate.
    pub id: String,
    /// Where it stands.
    pub status: CriterionStatus,
    /// What is asked, with its numbers.
    pub asks: Reason,
    /// The datum behind the status, where there is one.
    pub datum: Option<Reason>,
    /// Whether a clinician may override it with a reason.
    pub overridable: bool,
    /// Parts of a composite.
    #[cfg_attr(feature = "schema", schema(no_recursion))]
    pub parts: Vec<CriterionView>,
}

/// One gate as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GateView {
    /// Gate id.
    pub gate: String,
    /// The phase it closes.
    pub from_phase: u32,
    /// The day it opens.
    pub opens_day: EpisodeDay,
    /// Whether it may be passed: its day has come, or nothing heals by the calendar.
    pub time_reached: bool,
    /// Whether a decision is due: its day has come, or everything is met.
    #[serde(default)]
    pub due: bool,
    /// Nothing here heals by the calendar: the day is only the usual one.
    #[serde(default)]
    pub typical: bool,
    /// Its criteria.
    pub criteria: Vec<CriterionView>,
    /// How many are met.
    pub met: usize,
    /// Of how many.
    pub total: usize,
    /// The worst status of all.
    pub status: CriterionStatus,
}

/// Evaluates a gate against the facts.
pub fn evaluate_gate(ctx: &CheckContext, facts: &Facts, gate: &GateRule) -> GateView {
    let criteria: Vec<CriterionView> = gate
        .criteria
        .iter()
        .map(|c| evaluate(ctx, facts, c))
        .collect();
    let opens_day = gate.opens_day;
    let status = criteria
        .iter()
        .map(|c| c.status)
        .min()
        .unwrap_or(CriterionStatus::Met);
    GateView {
        gate: gate.id.clone(),
        from_phase: gate.from_phase,
        opens_day,
        time_reached: facts.day() >= opens_day || !gate.holds_time,
        due: facts.day() >= opens_day || (!gate.holds_time && status == CriterionStatus::Met),
        typical: !gate.holds_time,
        met: criteria
            .iter()
            .filter(|c| c.status == CriterionStatus::Met)
            .count(),
        total: criteria.len(),
        status,
        criteria,
    }
}

/// The gate that closes the reached phase.
pub fn next_gate(ctx: &CheckContext, facts: &Facts) -> Option<GateView> {
    ctx.rules
        .gate_after(ctx.phase)
        .map(|gate| evaluate_gate(ctx, facts, gate))
}

fn op_word(op: Comparison) -> &'static str {
    match op {
        Comparison::AtLeast => "at-least",
        Comparison::AtMost => "at-most",
    }
}

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
            let last = facts.log.iter().rev().find(|entry| entry.fact.is_slip());
            let datum = last.map_or_else(
                || Reason::new("datum-no-slip"),
                |slip| Reason::new("datum-last-slip").with("day", facts.day_of(slip.on)),
            );
            // Silence is not freedom from symptoms: the log must reach back so far, and go on.
            let reaches_back = facts.log.iter().any(|e| days_ago(e.on) >= *n);
            let goes_on = facts.log.iter().any(|e| (0..*n).contains(&days_ago(e.on)));
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

fn met_if(holds: bool) -> CriterionStatus {
    if holds {
        CriterionStatus::Met
    } else {
        CriterionStatus::NotMet
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

type Judged = (CriterionStatus, Reason, Option<Reason>);

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
fn range_moved(
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

fn score_moved(facts: &Facts, score: &str, op: Comparison, value: f64, over_days: i32) -> Judged {
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
fn lag_gained(
    ctx: &CheckContext,
    facts: &Facts,
    op: Comparison,
    value: f64,
    max_age: i32,
) -> Judged {
    let asks = Reason::new("asks-lag-gain")
        .with("op", op_word(op))
        .with("value", value);
    let gains = LAG_TESTS.iter().filter_map(|test| {
        let found = facts
            .findings
            .iter()
            .filter(|f| f.test == *test && f.side == facts.story.side && facts.day_of(f.on) >= 0);
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

fn count(
    ctx: &CheckContext,
    facts: &Facts,
    event: LogEvent,
    window: i32,
    op: Comparison,
    n: f64,
) -> Judged {
    let today = facts.day();
    let within = |day: EpisodeDay| day <= today && day > today - window;
    let name = match event {
        LogEvent::Slip => "slip",
        LogEvent::OverCeiling => "over-ceiling",
        LogEvent::SessionsDonePct => "sessions-done-pct",
        LogEvent::PainAboveMode => "pain-above-mode",
    };
    let asks = Reason::new("asks-count")
        .with("event", name)
        .with("op", op_word(op))
        .with("n", n)
        .with("days", window);
    // Days on which it happened; a later entry of a day corrects an earlier one.
    let mut days: BTreeMap<EpisodeDay, bool> = BTreeMap::new();
    let entries = facts
        .log
        .iter()
        .map(|e| (facts.day_of(e.on), &e.fact))
        .filter(|(day, _)| within(*day));
    let counted = match event {
        LogEvent::OverCeiling => {
            // Only measurements can breach a ceiling; with none in the window there is nothing to hold against anybody.
            let recent = facts
                .measurements
                .iter()
                .filter(|r| within(facts.day_of(r.on)));
            Some(
                recent
                    .filter(|r| measurement_view(ctx, facts, r).over_ceiling)
                    .count() as f64,
            )
        }
        LogEvent::Slip => {
            let slips: Vec<EpisodeDay> = entries
                .filter(|(_, fact)| fact.is_slip())
                .map(|(day, _)| day)
                .collect();
            days.extend(slips.iter().map(|day| (*day, true)));
            logged(facts, &within).then_some(slips.len() as f64)
        }
        LogEvent::PainAboveMode => {
            for entry in &facts.log {
                let day = facts.day_of(entry.on);
                let exercise = entry.exercise.as_ref();
                let exercise = exercise.and_then(|id| ctx.known.exercises.get(id));
                if let (LogFact::PainDuring { value }, true) = (&entry.fact, within(day)) {
                    let max = ctx.rules.pain_max(ctx.known, exercise, day);
                    days.insert(day, *value > max);
                }
            }
            days.retain(|_, above| *above);
            logged(facts, &within).then_some(days.len() as f64)
        }
        LogEvent::SessionsDonePct => adherence_pct(ctx, facts, window),
    };
    match counted {
        None => (
            CriterionStatus::NotMeasured,
            asks,
            Some(Reason::new("datum-nothing-logged").with("days", window)),
        ),
        Some(value) => {
            let mut datum = Reason::new("datum-count")
                .with("event", name)
                .with("value", value.round());
            if let Some(day) = days.keys().next_back() {
                datum = datum.with("day", *day);
            }
            (met_if(op.holds(value, n)), asks, Some(datum))
        }
    }
}

fn logged(facts: &Facts, within: &impl Fn(EpisodeDay) -> bool) -> bool {
    facts.log.iter().any(|e| within(facts.day_of(e.on)))
}

/// What was done of what was planned, and how much of that is known.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Adherence {
    /// Planned sessions that were done at least, in percent: what is not known counts as not done here.
    pub pct: f64,
    /// Planned sessions of which anything is known, in percent.
    pub known_pct: f64,
}

/// As [`adherence`], the least share alone.
pub fn adherence_pct(ctx: &CheckContext, facts: &Facts, window: i32) -> Option<f64> {
    adherence(ctx, facts, window).map(|a| a.pct)
}

/// The share of planned sessions done over the last `window` days, today left out.
///
/// A planned session is done, left out or not known. Days on which nothing was planned do not count. `None` when nothing is
/// known: unlogged is not undone. Every line counts as many sessions a day as its dose says; more than planned counts as planned.
/// A week told as a whole speaks where nothing was logged.
pub fn adherence(ctx: &CheckContext, facts: &Facts, window: i32) -> Option<Adherence> {
    let today = facts.day();
    let mut all = DayShare::default();
    for day in (today - window)..today {
        let of_day = day_share(ctx, facts, day);
        all.planned += of_day.planned;
        all.done += of_day.done;
        all.known += of_day.known;
    }
    (all.known > 0.0 && all.planned > 0.0).then(|| Adherence {
        pct: (100.0 * all.done / all.planned).min(100.0),
        known_pct: (100.0 * all.known / all.planned).min(100.0),
    })
}

/// Sessions of one day: planned, done at least, and of which anything is known.
#[derive(Debug, Clone, Copy, Default, PartialEq)]
pub(crate) struct DayShare {
    pub(crate) planned: f64,
    pub(crate) done: f64,
    known: f64,
}

/// What was planned on a day and what is known of it.
pub(crate) fn day_share(ctx: &CheckContext, facts: &Facts, day: EpisodeDay) -> DayShare {
    let mut out = DayShare::default();
    let told = facts.week_uses.iter().rev().find(|week| {
        let last = facts.day_of(week.on);
        (last - 6..=last).contains(&day)
    });
    for line in scheduled_lines(ctx, facts, day) {
        let wanted = f64::from(line.dose.times_per_day) * f64::from(line.dose.days_per_week) / 7.0;
        // A later entry for the same day and exercise corrects the earlier one.
        let last = facts
            .log
            .iter()
            .rev()
            .filter(|e| {
                facts.day_of(e.on) == day && e.exercise.as_deref() == Some(line.exercise.as_str())
            })
            .find_map(|e| match e.fact {
                LogFact::Done { sessions, .. } => Some(sessions),
                LogFact::LeftOut => Some(0),
                _ => None,
            });
        out.planned += wanted;
        match (last, told) {
            (Some(sessions), _) => {
                out.known += wanted;
                out.done += f64::from(sessions).min(f64::from(line.dose.times_per_day));
            }
            (None, Some(week)) => {
                out.known += wanted;
                out.done += wanted * told_share(ctx, week.how);
            }
            (None, None) => {}
        }
    }
    out
}

fn told_share(ctx: &CheckContext, how: UseHow) -> f64 {
    match how {
        UseHow::All => 1.0,
        UseHow::Half => ctx.known.threshold("told-half-pct") / 100.0,
        UseHow::Hardly => ctx.known.threshold("told-hardly-pct") / 100.0,
    }
}
