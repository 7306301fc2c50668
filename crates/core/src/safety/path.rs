//! The path of an exercise on a day: cut where it must end, then judged against every ceiling.

use super::demands::{active_work, peaks, rest_deg};
use super::positions::{forbidden, forbids};
use super::verdict::Status;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::knowledge::{Adapts, AfterCut, CutPath, DemandWhen, Exercise, Knowledge, PoseAngle};
use crate::mechanics::{ArmPose, Path, Track};
use crate::reason::Reason;
use crate::rules::{Ceiling, CeilingToday, ceiling_on};
use std::sync::Arc;

/// The path on a day, cut where the ceiling it follows is reached; `None` where nothing is cut off.
///
/// # Errors
/// The measurement that is left when the cut leaves less than the exercise needs.
pub(super) fn cut_path(
    known: &Knowledge,
    exercise: &Exercise,
    ceiling: Option<Ceiling>,
) -> AfterCut {
    match (&exercise.adapts, ceiling) {
        (Some(_), Some(Ceiling::NoneAllowed)) => Err(0.0),
        (Some(adapts), Some(Ceiling::UpTo { value })) => exercise.after_cut(value, || {
            let Some(path) = cut_at(known, exercise, adapts, value)? else {
                return Ok(None);
            };
            let counts = |quantity: &str| follows_cut(known, adapts, quantity);
            let track = Track::of(path);
            let peaks = peaks(known, &track, active_work(exercise), counts);
            let path = track.path().clone();
            Ok(Some(Arc::new(CutPath { path, peaks })))
        }),
        _ => Ok(None),
    }
}

/// Whether the cut that follows one range is what another is judged by: all elevations are cut together.
fn follows_cut(known: &Knowledge, adapts: &Adapts, quantity: &str) -> bool {
    quantity == adapts.quantity
        || (known.is_elevation(quantity) && known.is_elevation(&adapts.quantity))
}

fn cut_at(
    known: &Knowledge,
    exercise: &Exercise,
    adapts: &Adapts,
    limit: f64,
) -> Result<Option<Path>, f64> {
    let mut rows = known.range_demands.iter();
    let reads = rows
        .find(|row| row.quantity == adapts.quantity)
        .map_or(PoseAngle::Elevation, |row| row.reads);
    let measurement = |pose: &ArmPose| reads.of(pose);
    let frames = exercise.track().frames();
    let Some(over) = frames
        .iter()
        .position(|frame| measurement(&frame.pose) > limit)
    else {
        return Ok(None);
    };
    let path = exercise.path();
    if limit < adapts.least_deg || over == 0 {
        return Err(limit);
    }
    // The last place on the way that keeps the limit: halving the step between the two frames, from the permitted side.
    let (mut cut, mut beyond) = (frames[over - 1].at, frames[over].at);
    for _ in 0..40 {
        let middle = (cut + beyond) / 2.0;
        if path
            .at(middle)
            .is_some_and(|pose| measurement(&pose) <= limit)
        {
            cut = middle
        } else {
            beyond = middle
        }
    }
    let legs = path.keys.len().saturating_sub(1).max(1) as f64;
    let mut keys: Vec<ArmPose> = path
        .keys
        .iter()
        .enumerate()
        .filter(|(i, _)| (*i as f64) / legs < cut)
        .map(|(_, k)| *k)
        .collect();
    keys.extend(path.at(cut));
    Ok(Some(Path { keys }))
}

/// The ceiling an exercise's path is cut at: raising is cut by the tightest ceiling of raising that applies.
pub(super) fn adapted_ceiling(
    ctx: &CheckContext,
    exercise: &Exercise,
    day: EpisodeDay,
) -> Option<CeilingToday> {
    let adapts = exercise.adapts.as_ref()?;
    let on = |quantity: &str| ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
    let mut tightest = on(&adapts.quantity);
    if ctx.known.is_elevation(&adapts.quantity) {
        // Every range that such lifting asks something of.
        let work = active_work(exercise);
        let lifting = ctx.known.range_demands.iter().filter(|row| {
            ctx.known.is_elevation(&row.quantity)
                && (row.when == DemandWhen::Always || row.when == work)
        });
        for row in lifting {
            let other = on(&row.quantity);
            if tightest.ceiling.tighter(other.ceiling) != tightest.ceiling {
                tightest = other;
            }
        }
    }
    Some(tightest)
}

/// Where an exercise ends on a day: the path, cut at the ceiling it follows. For the figure and the handout.
pub fn resolved_path(ctx: &CheckContext, exercise: &Exercise, day: EpisodeDay) -> Path {
    let ceiling = adapted_ceiling(ctx, exercise, day).map(|c| c.ceiling);
    let cut = cut_path(ctx.known, exercise, ceiling).ok().flatten();
    cut.map_or_else(|| exercise.path(), |cut| cut.path.clone())
}

pub(super) fn check_path(
    ctx: &CheckContext,
    exercise: &Exercise,
    cut: Option<&CutPath>,
    day: EpisodeDay,
    say: &mut impl FnMut(Status, bool, Reason),
) {
    for rule in ctx
        .rules
        .forbidden
        .iter()
        .filter(|f| forbids(ctx, f, day) && f.touches(exercise.track()))
    {
        say(Status::Blocked, false, forbidden(ctx, rule));
    }
    let work = active_work(exercise);
    // The cut path is checked against the ceiling that made the cut, the whole path against all others: so a tighter
    // ceiling never hides a breach of another.
    let cut_by = |quantity: &str| {
        (exercise.adapts.as_ref()).is_some_and(|a| follows_cut(ctx.known, a, quantity))
    };
    let whole = exercise.peaks(|track| peaks(ctx.known, track, work, |_| true));
    let on_cut = cut.map_or(whole, |cut| &cut.peaks);
    let on_cut = on_cut.iter().filter(|(q, _)| cut_by(q));
    let on_whole = whole.iter().filter(|(q, _)| !cut_by(q));
    for (quantity, peak) in on_cut.chain(on_whole).map(|(q, p)| (q.as_str(), *p)) {
        let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
        // Turning is judged against neutral where nothing is allowed; lifting against anything beyond rest.
        let breach = match on.ceiling {
            Ceiling::Free => false,
            Ceiling::UpTo { value } => peak > value + 1e-6,
            Ceiling::NoneAllowed => peak > rest_deg(ctx.known, quantity) + 1e-6,
        };
        if breach {
            let mut reason = Reason::new("path-over-ceiling")
                .with("quantity", quantity)
                .with("peak", peak.round());
            if let Some(value) = on.ceiling.value() {
                reason = reason.with("ceiling", value);
            }
            say(
                Status::Blocked,
                false,
                reason.with("whose", on.reason.rule.as_str()),
            );
        }
    }
}
