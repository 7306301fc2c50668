//! Each corridor with its measurements and where they are heading.

use super::compared::measure_for;
use super::measurement_view::measurement_view;
use super::trend::{Trend, TrendBounds};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Comparison, CriterionKind, Quantity, Unit};
use crate::rules::{Band, band_view, ceiling_on};
use serde::{Deserialize, Serialize};

/// Corridor of one quantity with the measurements on it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CorridorView {
    /// Quantity id.
    pub quantity: String,
    /// Unit of the measurements.
    pub unit: Unit,
    /// Usual measurement of a healthy shoulder.
    pub reference: f64,
    /// Half-width of the measurement error.
    pub error: f64,
    /// Stretches of equal ceiling and floor.
    pub bands: Vec<Band>,
    /// Measurements of the operated side.
    pub measurements: Vec<CorridorDot>,
    /// Last measurement of the other side.
    pub other_side: Option<f64>,
    /// Where it is heading, where enough measurements say so.
    #[serde(default)]
    pub trend: Option<Trend>,
}

/// One measurement on a corridor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CorridorDot {
    /// Episode day.
    pub day: EpisodeDay,
    /// In the quantity's unit.
    pub value: f64,
    /// Judged by the ceiling of its own date.
    pub over_ceiling: bool,
    /// Stopped at the permitted limit, so at least this much.
    pub at_limit: bool,
}

/// Corridors of every quantity of the pathway, with measurements and where they are heading.
pub fn corridor_views(ctx: &CheckContext, facts: &Facts) -> Vec<CorridorView> {
    let quantities = ctx.known.quantities.iter();
    quantities
        .filter_map(|q| {
            let view = corridor_view(ctx, facts, q)?;
            let trend = trend(ctx, facts, q);
            Some(CorridorView { trend, ..view })
        })
        .collect()
}

/// The corridor of one quantity with its measurements, without a trend; `None` where the pathway has none.
pub fn corridor_view(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> Option<CorridorView> {
    ctx.rules.corridor(&q.id)?;
    let dots = facts.operated_measurements(&q.id).map(|measurement| {
        let view = measurement_view(ctx, facts, measurement);
        CorridorDot {
            day: view.day,
            value: measurement.value,
            over_ceiling: view.over_ceiling,
            at_limit: view.at_limit,
        }
    });
    let mut newest = facts.measurements.iter().rev();
    Some(CorridorView {
        quantity: q.id.clone(),
        unit: q.unit,
        reference: q.reference,
        error: q.error,
        bands: band_view(ctx.rules, ctx.limits, &q.id, ctx.today),
        measurements: dots.collect(),
        other_side: newest
            .find(|r| r.quantity == q.id && r.side != facts.story.side)
            .map(|r| r.value),
        trend: None,
    })
}

/// The trend of a range toward what is asked of it next: by the gate, else by the next floor.
///
/// What stopped at the permitted limit or cannot be is left out; the line ends at the other side, where that may serve, else
/// at the usual measurement.
fn trend(ctx: &CheckContext, facts: &Facts, q: &Quantity) -> Option<Trend> {
    let views = facts
        .operated_measurements(&q.id)
        .map(|r| measurement_view(ctx, facts, r));
    let used: Vec<(EpisodeDay, f64)> = views
        .filter(|v| v.usable() && !v.at_limit && v.day >= 0)
        .map(|v| (v.day, v.measurement.value))
        .collect();
    // Who already goes further than the other side is not drawn back.
    let cap = used
        .iter()
        .map(|r| r.1)
        .fold(measure_for(facts, q).0, f64::max);
    let bounds = TrendBounds::of(ctx.known);
    let found = Trend::of(&used, cap, bounds)?;
    let last = used.last()?.1;
    let asked = ctx
        .rules
        .gate_after(ctx.phase)
        .into_iter()
        .flat_map(|g| &g.criteria)
        .find_map(|c| match &c.ask {
            CriterionKind::Measure {
                quantity,
                op: Comparison::AtLeast,
                value,
                of_other_side: false,
                ..
            } if *quantity == q.id => Some(*value),
            _ => None,
        });
    let floors = ctx
        .rules
        .corridor(&q.id)
        .into_iter()
        .flat_map(|c| &c.floors.steps)
        .filter(|(day, _)| *day > facts.day());
    let target = asked
        .into_iter()
        .chain(floors.map(|(_, floor)| *floor))
        .find(|target| *target > last);
    // No day is told on which the ceiling forbids what would be reached.
    let allowed = |target: f64| {
        let ceilings = |day| ceiling_on(ctx.rules, ctx.limits, &q.id, day, ctx.today).ceiling;
        (facts.day()..=ctx.rules.end_day).find(|day| !ceilings(*day).exceeded_by(target))
    };
    Some(
        match target.and_then(|target| Some((target, allowed(target)?))) {
            Some((target, from)) => found.toward(target, from, bounds.furthest_days),
            None => found,
        },
    )
}
