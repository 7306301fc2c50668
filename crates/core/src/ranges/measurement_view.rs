//! What a measurement means: the ceilings of its own day, and the verdict that was stored with it.

use super::conflict::beyond_partner;
use super::protection::protection_under;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{CeilingVerdict, Facts, Measurement, Method, StopReason, SurgeonLimit};
use crate::reason::Reason;
use crate::rules::ceiling_on;
use serde::{Deserialize, Serialize};

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
pub(super) fn not_known_then(
    ctx: &CheckContext,
    facts: &Facts,
    measurement: &Measurement,
) -> Option<Reason> {
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
