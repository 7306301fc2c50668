//! The dials of the page: both sides, the ceiling and the floor of today, what is due.

use super::calls::{calls, is_due};
use super::landmark::TOLD_AT_HOME;
use super::measurement_view::{MeasurementView, measurement_view};
use super::protection::protection;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Mode, Quantity, Unit};
use crate::mechanics::Arm;
use crate::reason::Reason;
use crate::rules::{Ceiling, CeilingToday, floor_on};
use crate::safety::barred_until;
use serde::{Deserialize, Serialize};

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
    /// Whether the patient is told this limit, so that what it is at home is worth keeping.
    pub told_at_home: bool,
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
                told_at_home: q.unit == Unit::Deg
                    && matches!(ceiling.ceiling, Ceiling::UpTo { .. })
                    && TOLD_AT_HOME.contains(&q.id.as_str()),
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
