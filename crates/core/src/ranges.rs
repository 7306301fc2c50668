//! Ranges: what may be measured today, what a measurement means, and what a new one calls for.

use crate::calendar::EpisodeDay;
use crate::episode::{Facts, Measurement, Method, StopReason};
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
    let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, today);
    let written =
        ctx.rules.corridor(quantity).is_some() || ctx.limits.iter().any(|l| l.quantity == quantity);
    if !ctx.rules.protects() || written {
        return on;
    }
    let guard = ctx
        .known
        .quantity(quantity)
        .and_then(|q| q.guard.as_deref());
    match guard {
        Some(guard)
            if ceiling_on(ctx.rules, ctx.limits, guard, day, today).ceiling == Ceiling::Free =>
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
        !self.over_ceiling && self.impossible.is_none() && !self.simulated
    }
}

/// Judges one measurement by the ceiling of its own date and by its partner of the same day.
///
/// Source: common practice, no published source.
pub fn measurement_view(
    ctx: &CheckContext,
    facts: &Facts,
    measurement: &Measurement,
) -> MeasurementView {
    let day = facts.day_of(measurement.on);
    // The other side carries no ceiling. A limit is judged as it stood on the measurement's own day.
    let over_ceiling = measurement.side == facts.story.side
        && protection(ctx, &measurement.quantity, day, day)
            .ceiling
            .exceeded_by(measurement.value);
    MeasurementView {
        over_ceiling,
        at_limit: measurement.stop == StopReason::AtLimit,
        impossible: beyond_partner(ctx, facts, measurement),
        simulated: measurement.method == Some(Method::Simulated),
        measurement: measurement.clone(),
        day,
    }
}

fn beyond_partner(ctx: &CheckContext, facts: &Facts, measurement: &Measurement) -> Option<Reason> {
    let quantity = ctx
        .known
        .quantity(&measurement.quantity)
        .filter(|q| q.mode == Mode::Active)?;
    let partner = quantity.partner.as_deref()?;
    let passive = facts.measurements.iter().rev().find(|r| {
        r.quantity == partner
            && r.side == measurement.side
            && r.on == measurement.on
            && r.stop != StopReason::AtLimit
    })?;
    (measurement.value > passive.value + quantity.error).then(|| {
        Reason::new("active-beyond-passive")
            .with("quantity", measurement.quantity.as_str())
            .with("active", measurement.value)
            .with("passive", passive.value)
            .with("error", quantity.error)
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
    let newest = facts.operated_measurements(&q.id).next_back().map(|r| r.on);
    newest.is_none_or(|on| age_days(facts, on) > max_age_days(ctx, facts, q))
}

fn age_days(facts: &Facts, on: NaiveDate) -> i32 {
    facts.day() - facts.day_of(on)
}

/// What the newest measurement of a quantity calls for: over the ceiling, below the floor, lost ground.
///
/// Source: common practice, no published source; thresholds in `thresholds.toml`.
pub fn calls(ctx: &CheckContext, facts: &Facts, quantity: &str) -> Vec<Reason> {
    let mut newest = facts.operated_measurements(quantity).rev();
    let Some(last) = newest.next() else {
        return Vec::new();
    };
    let before = newest.next();
    let view = measurement_view(ctx, facts, last);
    let mut out = Vec::new();
    if let Some(impossible) = view.impossible.clone() {
        out.push(impossible);
    }
    let on = ceiling_on(ctx.rules, ctx.limits, quantity, view.day, view.day);
    if view.over_ceiling {
        let mut reason = Reason::new("measurement-over-ceiling")
            .with("quantity", quantity)
            .with("value", last.value);
        if let Some(value) = on.ceiling.value() {
            reason = reason.with("ceiling", value);
        }
        out.push(reason.with("whose", on.reason.rule.as_str()));
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
    if let Some(before) = before {
        let window = ctx.known.threshold("change-window-days");
        let recent = f64::from(facts.day_of(last.on) - facts.day_of(before.on)) <= window;
        let loss = before.value - last.value;
        let bound = match quantity {
            q if q.contains("elevation") => ctx.known.threshold("elevation-loss-deg"),
            q if q.contains("-er-") => ctx.known.threshold("er-loss-deg"),
            _ => f64::INFINITY,
        };
        if recent && loss >= bound {
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
    }
    out
}
