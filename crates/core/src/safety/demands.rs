//! What a pose asks of each measured range.

use crate::knowledge::{Exercise, Knowledge};
use crate::mechanics::{ArmPose, Attitude, PathPoint};

/// The arm at rest in a sling: never a movement, never a breach.
fn at_rest(pose: &ArmPose) -> bool {
    pose.elevation_deg <= 30.0
        && (-70.0..=1e-6).contains(&pose.twist_deg())
        && (0.0..=90.0).contains(&pose.plane_deg)
}

/// What a frame asks of each quantity: `(quantity, demand)`.
///
/// τ below 30° of elevation, ψ from 45° with the plane between −30° and 60°, and both in between;
/// other planes make no rotation demand. Source: our choice, because that is how clinics read rotation.
fn demands(pose: &ArmPose, active: Option<&'static str>) -> Vec<(&'static str, f64)> {
    let mut out = Vec::new();
    let e = pose.elevation_deg;
    if pose.plane_deg > -30.0 {
        out.push(("passive-elevation", e));
        if let Some(quantity) = active.filter(|_| e > 30.0) {
            out.push((quantity, e));
        }
    }
    if e < 45.0 {
        out.push(("passive-er-side", pose.twist_deg()));
        if e < 30.0 {
            out.push(("passive-ir-side", -pose.twist_deg()));
        }
    }
    if e >= 30.0 && (-30.0..=60.0).contains(&pose.plane_deg) {
        out.push(("passive-er-90", pose.clinic_deg()));
        if e >= 60.0 {
            out.push(("passive-ir-90", -pose.clinic_deg()));
        }
    }
    if (-30.0..=20.0).contains(&pose.plane_deg) {
        out.push(("passive-abduction", e));
    }
    if pose.plane_deg < -45.0 {
        out.push(("active-extension", e));
    }
    if e >= 45.0 && pose.plane_deg > 90.0 {
        out.push(("horizontal-adduction", pose.plane_deg));
    }
    out
}

pub(super) fn active_quantity(exercise: &Exercise) -> Option<&'static str> {
    exercise.is_active().then_some(match exercise.attitude {
        Attitude::Supine | Attitude::SideLying | Attitude::Reclined | Attitude::Prone => {
            "active-elevation-lying"
        }
        _ => "active-elevation-upright",
    })
}

/// The greatest demand on each quantity along a path.
pub(super) fn peaks(
    frames: &[PathPoint],
    active: Option<&'static str>,
) -> Vec<(&'static str, f64)> {
    let mut peaks: Vec<(&'static str, f64)> = Vec::new();
    for frame in frames.iter().filter(|frame| !at_rest(&frame.pose)) {
        for (quantity, demand) in demands(&frame.pose, active) {
            match peaks.iter_mut().find(|(q, _)| *q == quantity) {
                Some(peak) => peak.1 = peak.1.max(demand),
                None => peaks.push((quantity, demand)),
            }
        }
    }
    peaks
}

/// What a movement that is not made at all may show at rest, in degrees: a hanging arm is never quite still.
pub(super) fn rest_deg(known: &Knowledge, quantity: &str) -> f64 {
    match quantity {
        "active-extension" => known.threshold("rest-extension-deg"),
        q if q.contains("elevation") || q.contains("abduction") => {
            known.threshold("rest-elevation-deg")
        }
        _ => 0.0,
    }
}
