//! Ranges: what may be measured today, what a measurement means, and what a new one calls for.

use crate::calendar::EpisodeDay;
use crate::episode::{
    CeilingVerdict, Facts, Measurement, Method, StopReason, SurgeonLimit, TakenBy,
};
use crate::knowledge::{Mode, Quantity, Unit};
use crate::mechanics::Arm;
use crate::program::{Ceiling, CeilingToday, CheckContext, barred_until, ceiling_on, floor_on};
use crate::reason::Reason;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// Why a measurement cannot be kept at all.
#[derive(Debug, Clone, PartialEq)]
pub struct RangeFault {
    /// Least possible.
    pub min: f64,
    /// Greatest possible.
    pub max: f64,
}

/// Whether a value is a possible measurement of a quantity.
///
/// # Errors
/// The bounds, when it is not.
pub fn possible(quantity: &Quantity, value: f64) -> Result<(), RangeFault> {
    if value.is_finite() && (quantity.min..=quantity.max).contains(&value) {
        Ok(())
    } else {
        Err(RangeFault {
            min: quantity.min,
            max: quantity.max,
        })
    }
}

/// The ceiling of a measurement on a day.
///
/// While something heals a movement for which the pathway has no corridor is not measured by default: only once the ceiling of
/// the movement that guards it is gone. Source: our choice, because what nobody has allowed is not allowed.
pub fn protection(
    ctx: &CheckContext,
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> CeilingToday {
    protection_under(ctx, ctx.limits, quantity, day, today)
}

fn protection_under(
    ctx: &CheckContext,
    limits: &[SurgeonLimit],
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> CeilingToday {
    let on = ceiling_on(ctx.rules, limits, quantity, day, today);
    let written =
        ctx.rules.corridor(quantity).is_some() || limits.iter().any(|l| l.quantity == quantity);
    if !ctx.rules.protects() || written {
        return on;
    }
    let guard = ctx
        .known
        .quantity(quantity)
        .and_then(|q| q.guard.as_deref());
    match guard {
        Some(guard)
            if ceiling_on(ctx.rules, limits, guard, day, today).ceiling == Ceiling::Free =>
        {
            on
        }
        _ => {
            let mut reason = Reason::new("barred-without-corridor").with("quantity", quantity);
            if let Some(guard) = guard {
                reason = reason.with("guard", guard);
            }
            CeilingToday {
                ceiling: Ceiling::NoneAllowed,
                reason,
                ..on
            }
        }
    }
}

/// What a measurement is worth.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MeasurementView {
    /// The measurement.
    pub measurement: Measurement,
    /// Its episode day.
    pub day: EpisodeDay,
    /// Above the ceiling of its own date: never met, never better.
    pub over_ceiling: bool,
    /// How it was judged by what was known then.
    pub verdict: CeilingVerdict,
    /// A limit that held on that day and was not known yet lies below it: no breach, and nothing rests on it.
    #[serde(default)]
    pub not_known_then: Option<Reason>,
    /// Stopped at the permitted limit: at least this much.
    pub at_limit: bool,
    /// Active beyond passive by more than the error: kept, shown, not used.
    pub impossible: Option<Reason>,
    /// A simulated device of the demo invented it: kept, shown as such, never used.
    #[serde(default)]
    pub simulated: bool,
}

impl MeasurementView {
    /// Whether rules may rest on it.
    pub fn usable(&self) -> bool {
        !self.over_ceiling
            && self.not_known_then.is_none()
            && self.impossible.is_none()
            && !self.simulated
    }
}

/// How a measurement is judged: by the ceilings in force on its own date, as far as they were known when it was made.
///
/// The other side carries no ceiling. Measurement error is never an excuse. Source: common practice, no published source.
pub fn judge(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> CeilingVerdict {
    if let Some(kept) = facts
        .verdicts
        .iter()
        .rev()
        .find(|v| v.measurement == measurement.id)
    {
        return kept.clone();
    }
    judge_anew(ctx, facts, measurement)
}

/// As [`judge`], whatever was judged before: for what is being stored, and after a limit was taken back.
pub fn judge_anew(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> CeilingVerdict {
    let day = facts.day_of(measurement.on);
    let known: Vec<SurgeonLimit> = ctx
        .limits
        .iter()
        .filter(|l| facts.knew(l.id, measurement.id))
        .cloned()
        .collect();
    let on = protection_under(ctx, &known, &measurement.quantity, day, day);
    let own = measurement.side == facts.story.side;
    CeilingVerdict {
        measurement: measurement.id,
        ceiling: on.ceiling.value().filter(|_| own),
        whose: on.reason.rule,
        limit: on.limit.filter(|_| own),
        over: own && on.ceiling.exceeded_by(measurement.value),
    }
}

/// A limit of that day that became known later and lies below the measurement.
fn not_known_then(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> Option<Reason> {
    let day = facts.day_of(measurement.on);
    let late: Vec<SurgeonLimit> = ctx
        .limits
        .iter()
        .filter(|l| l.release.is_none() && !facts.knew(l.id, measurement.id))
        .cloned()
        .collect();
    let on = ceiling_on(ctx.rules, &late, &measurement.quantity, day, day);
    let value = on.ceiling.value().filter(|_| on.limit.is_some())?;
    (measurement.side == facts.story.side && measurement.value > value).then(|| {
        Reason::new("limit-not-known-then")
            .with("quantity", measurement.quantity.as_str())
            .with("value", measurement.value)
            .with("ceiling", value)
            .with("day", day)
    })
}

/// Judges one measurement by the ceiling of its own date and by its partner of the same day.
///
/// Source: common practice, no published source.
pub fn measurement_view(
    ctx: &CheckContext,
    facts: &Facts,
    measurement: &Measurement,
) -> MeasurementView {
    let verdict = judge(ctx, facts, measurement);
    MeasurementView {
        over_ceiling: verdict.over,
        not_known_then: (!verdict.over)
            .then(|| not_known_then(ctx, facts, measurement))
            .flatten(),
        at_limit: measurement.stop == StopReason::AtLimit,
        impossible: beyond_partner(ctx, facts, measurement),
        simulated: measurement.method == Some(Method::Simulated),
        measurement: measurement.clone(),
        day: facts.day_of(measurement.on),
        verdict,
    }
}

/// A measurement above its ceiling that nobody has dealt with: a clinician's own inside the ceiling, or the surgeon's answer, closes it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Breach {
    /// Quantity id.
    pub quantity: String,
    /// The newest measurement above.
    pub view: MeasurementView,
    /// How many lie above, one after the other.
    pub count: usize,
    /// Whether the surgeon must be asked: beyond the error, or twice.
    pub surgeon: bool,
    /// All of it in one reason.
    pub reason: Reason,
}

/// The open breach of a quantity.
pub fn open_breach(ctx: &CheckContext, facts: &Facts, quantity: &str) -> Option<Breach> {
    let mut open: Vec<MeasurementView> = Vec::new();
    for measurement in facts.operated_measurements(quantity) {
        let view = measurement_view(ctx, facts, measurement);
        let answered = facts
            .breach_answers
            .iter()
            .any(|a| a.measurement == measurement.id);
        if view.over_ceiling && !answered {
            open.push(view);
        } else if !view.over_ceiling
            && measurement.by == TakenBy::Clinician
            && view.not_known_then.is_none()
            && !view.simulated
        {
            open.clear();
        }
    }
    let count = open.len();
    let view = open.pop()?;
    let error = ctx.known.quantity(quantity).map_or(0.0, |q| q.error);
    let amount = view.verdict.ceiling.map(|c| view.measurement.value - c);
    let inside = amount.is_some_and(|a| a <= error);
    let surgeon = !inside || count > 1;
    let word = |yes: bool| if yes { "yes" } else { "no" };
    let mut reason = Reason::new("measurement-over-ceiling")
        .with("quantity", quantity)
        .with("value", view.measurement.value)
        .with("day", view.day)
        .with("error", error)
        .with("inside", word(inside))
        .with("surgeon", word(surgeon))
        .with("whose", view.verdict.whose.as_str());
    if let (Some(ceiling), Some(amount)) = (view.verdict.ceiling, amount) {
        reason = reason.with("ceiling", ceiling).with("amount", amount);
    }
    Some(Breach {
        quantity: quantity.to_owned(),
        view,
        count,
        surgeon,
        reason,
    })
}

/// All open breaches.
pub fn open_breaches(ctx: &CheckContext, facts: &Facts) -> Vec<Breach> {
    ctx.known
        .quantities
        .iter()
        .filter_map(|q| open_breach(ctx, facts, &q.id))
        .collect()
}

/// By how much an active measurement may lie above a passive one of the same movement: the error, in another position both errors.
fn apart(active: &Quantity, passive: &Quantity) -> Option<f64> {
    if active.partner.as_deref() == Some(passive.id.as_str()) {
        Some(active.error)
    } else {
        passive
            .shown_by
            .contains(&active.id)
            .then_some(active.error + passive.error)
    }
}

/// Whether a measurement stands against another of its day: kept and shown, used for nothing until it is measured again.
pub fn in_conflict(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> bool {
    beyond_partner(ctx, facts, measurement).is_some()
}

/// Active beyond passive on one day, in the same or in another position: both are kept, neither is used, and the re-test comes first.
fn beyond_partner(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> Option<Reason> {
    let of = |m: &Measurement| ctx.known.quantity(&m.quantity);
    let quantity = of(measurement)?;
    let same_day = |m: &&Measurement| {
        m.side == measurement.side && m.on == measurement.on && m.stop != StopReason::AtLimit
    };
    // The newest of each quantity: a re-test on the same day settles it.
    let mut seen: Vec<&str> = Vec::new();
    let others = facts.measurements.iter().rev().filter(same_day);
    let others = others.filter(|m| {
        let newest = !seen.contains(&m.quantity.as_str());
        seen.push(&m.quantity);
        newest
    });
    let pairs = others.filter_map(|m| {
        let other = of(m)?;
        match (quantity.mode, other.mode) {
            (Mode::Active, Mode::Passive) => Some((measurement, m, apart(quantity, other)?)),
            (Mode::Passive, Mode::Active) => Some((m, measurement, apart(other, quantity)?)),
            _ => None,
        }
    });
    // The newest of each; the greatest conflict is told.
    let (active, passive, error) =
        pairs.max_by(|a, b| (a.0.value - a.1.value).total_cmp(&(b.0.value - b.1.value)))?;
    (active.value > passive.value + error).then(|| {
        Reason::new("active-beyond-passive")
            .with("quantity", measurement.quantity.as_str())
            .with("active", active.value)
            .with("passive", passive.value)
            .with("error", error)
    })
}

/// One dial: one quantity on one side.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DialSide {
    /// Which arm.
    pub side: Arm,
    /// Set when protection bars it: the rule.
    pub barred: Option<Reason>,
    /// The newest measurement.
    pub last: Option<MeasurementView>,
    /// The one before it, drawn as a ghost.
    pub previous: Option<MeasurementView>,
}

/// What the page needs to draw and enter one quantity.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Dial {
    /// Quantity id.
    pub quantity: String,
    /// Who moves the arm.
    pub mode: Mode,
    /// Body position, a wording key.
    pub position: String,
    /// Unit.
    pub unit: Unit,
    /// Least possible measurement.
    pub min: f64,
    /// Greatest possible measurement.
    pub max: f64,
    /// Usual measurement of a healthy shoulder.
    pub reference: f64,
    /// Half-width of the measurement error.
    pub error: f64,
    /// Today's ceiling on the operated side, with its rule.
    pub ceiling: CeilingToday,
    /// Today's floor on the operated side.
    pub floor: Option<f64>,
    /// The operated side.
    pub operated: DialSide,
    /// The other side.
    pub other: DialSide,
    /// Whether the operated side's measurement is missing or out of date.
    pub due: bool,
    /// Why it need not be measured: what the arm does by itself it also does when lifted.
    pub spare: Option<Reason>,
    /// What the newest measurement calls for.
    pub calls: Vec<Reason>,
}

/// All dials, in the order of examination.
///
/// Without an operation active movement comes first, because passive is asked only where active falls short.
pub fn dials(ctx: &CheckContext, facts: &Facts) -> Vec<Dial> {
    let today = facts.day();
    let mut order: Vec<&Quantity> = ctx.known.quantities.iter().collect();
    if !facts.operated() {
        order.sort_by_key(|q| (q.mode == Mode::Passive, q.order));
    }
    order
        .into_iter()
        .map(|q| {
            let ceiling = protection(ctx, &q.id, today, today);
            let barred = (ceiling.ceiling == Ceiling::NoneAllowed).then(|| {
                match ctx.rules.corridor(&q.id) {
                    Some(_) => barred_until(ctx, &q.id),
                    None => ceiling.reason.clone(),
                }
            });
            let spare = spare(facts, q, ctx);
            Dial {
                quantity: q.id.clone(),
                mode: q.mode,
                position: q.position.clone(),
                unit: q.unit,
                min: q.min,
                max: q.max,
                reference: q.reference,
                error: q.error,
                floor: floor_on(ctx.rules, ctx.limits, &q.id, today, today),
                due: barred.is_none() && spare.is_none() && is_due(ctx, facts, q),
                spare,
                calls: calls(ctx, facts, &q.id),
                operated: dial_side(ctx, facts, q, facts.story.side, barred),
                other: dial_side(ctx, facts, q, facts.story.side.other(), None),
                ceiling,
            }
        })
        .collect()
}

/// A passive measurement is spared where today's active one already reaches the reference within its error. Never after an operation.
fn spare(facts: &Facts, q: &Quantity, ctx: &CheckContext) -> Option<Reason> {
    if facts.operated() || q.mode == Mode::Active {
        return None;
    }
    q.shown_by.iter().find_map(|id| {
        let active = facts.newest(id).filter(|r| r.on == facts.today)?;
        let whole = ctx.known.quantity(id)?;
        (active.value >= whole.reference - whole.error).then(|| {
            Reason::new("passive-spared")
                .with("quantity", q.id.as_str())
                .with("active", active.value)
        })
    })
}

fn dial_side(
    ctx: &CheckContext,
    facts: &Facts,
    q: &Quantity,
    side: Arm,
    barred: Option<Reason>,
) -> DialSide {
    let mut newest = facts
        .measurements
        .iter()
        .rev()
        .filter(|r| r.quantity == q.id && r.side == side);
    let mut last = newest.next().map(|r| measurement_view(ctx, facts, r));
    let mut previous = newest.next().map(|r| measurement_view(ctx, facts, r));
    // What a stand-in invented is shown where it is newer, and says what it is; ids are made in order of time.
    let invented = facts.simulated.iter().rev();
    let mut invented = invented.filter(|r| r.quantity == q.id && r.side == side);
    if let Some(shown) = invented.next().filter(|r| {
        last.as_ref()
            .is_none_or(|l| (l.measurement.on, l.measurement.id) < (r.on, r.id))
    }) {
        previous = last.replace(measurement_view(ctx, facts, shown));
    }
    DialSide {
        side,
        barred,
        last,
        previous,
    }
}

/// Days after which a measurement is out of date for this person.
pub fn max_age_days(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> i32 {
    let health = ctx
        .known
        .health
        .iter()
        .filter(|h| facts.story.health.contains(&h.id))
        .filter_map(|h| h.max_age_days);
    health.fold(q.max_age_days, i32::min)
}

/// Whether the operated side's measurement is missing or out of date.
pub fn is_due(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> bool {
    let newest = facts.operated_measurements(&q.id).next_back();
    newest.is_none_or(|m| {
        age_days(facts, m.on) > max_age_days(ctx, facts, q) || {
            let view = measurement_view(ctx, facts, m);
            view.not_known_then.is_some() || view.impossible.is_some()
        }
    }) || open_breach(ctx, facts, &q.id).is_some()
}

fn age_days(facts: &Facts, on: NaiveDate) -> i32 {
    facts.day() - facts.day_of(on)
}

/// What a quantity calls for: an open breach, below the floor, lost ground.
///
/// Source: common practice, no published source; thresholds in `thresholds.toml`.
pub fn calls(ctx: &CheckContext, facts: &Facts, quantity: &str) -> Vec<Reason> {
    let mut newest = facts.operated_measurements(quantity).rev();
    let Some(last) = newest.next() else {
        return Vec::new();
    };
    let mut out = calls_of(ctx, facts, last, newest.next());
    if let Some(breach) = open_breach(ctx, facts, quantity) {
        // The breach itself is told once, whole.
        out.retain(|r| r.rule != "measurement-over-ceiling");
        out.push(breach.reason);
    } else {
        // Answered by the surgeon, or made up for by a newer one.
        out.retain(|r| r.rule != "measurement-over-ceiling" && r.rule != "sudden-er-gain");
    }
    out
}

/// What one measurement called for when it was taken, beside the one before it.
pub(crate) fn calls_of(
    ctx: &CheckContext,
    facts: &Facts,
    last: &Measurement,
    before: Option<&Measurement>,
) -> Vec<Reason> {
    let quantity = last.quantity.as_str();
    let view = measurement_view(ctx, facts, last);
    let mut out = Vec::new();
    out.extend(view.impossible.clone());
    out.extend(view.not_known_then.clone());
    if view.over_ceiling {
        let mut reason = Reason::new("measurement-over-ceiling")
            .with("quantity", quantity)
            .with("value", last.value);
        if let Some(value) = view.verdict.ceiling {
            reason = reason.with("ceiling", value);
        }
        out.push(reason.with("whose", view.verdict.whose.as_str()));
    } else if let Some(floor) = floor_on(ctx.rules, ctx.limits, quantity, facts.day(), facts.day())
        && last.value < floor
        && !view.at_limit
    {
        out.push(
            Reason::new("measurement-below-floor")
                .with("quantity", quantity)
                .with("value", last.value)
                .with("floor", floor),
        );
    }
    let Some(before) = before else {
        return out;
    };
    let window = ctx.known.threshold("change-window-days");
    let recent = f64::from(facts.day_of(last.on) - facts.day_of(before.on)) <= window;
    let bound = match quantity {
        q if q.contains("elevation") => ctx.known.threshold("elevation-loss-deg"),
        q if q.contains("-er-") => ctx.known.threshold("er-loss-deg"),
        _ => f64::INFINITY,
    };
    if recent && before.value - last.value >= bound {
        out.push(
            Reason::new("range-lost")
                .with("quantity", quantity)
                .with("value", last.value)
                .with("before", before.value),
        );
    }
    let gain = last.value - before.value;
    if recent
        && view.over_ceiling
        && quantity.contains("-er-")
        && gain > ctx.known.threshold("sudden-er-gain-deg")
    {
        out.push(
            Reason::new("sudden-er-gain")
                .with("quantity", quantity)
                .with("gain", gain),
        );
    }
    out
}
