//! From a ceiling to a landmark of the body.
//!
//! The landmark is the highest one that the elbow reaches below the ceiling, so it errs low. Where the
//! elbow is at an elevation follows from shoulder height 0.818 H and upper-arm length 0.186 H
//! (Drillis & Contini 1966, from memory); heights of face and chest are ours, from memory.

use ritorno_core::context::CheckContext;
use ritorno_core::facts::Facts;
use ritorno_core::knowledge::Exercise;
use ritorno_core::mechanics::{ArmPose, Path, Rotation};
use ritorno_core::ranges::{TOLD_AT_HOME, landmark_at_home};
use ritorno_core::rules::{Ceiling, ceiling_on};
use ritorno_wording::{Value, Wording};

fn landmark(quantity: &str, ceiling: Ceiling) -> Option<&'static str> {
    let pick = |value: f64, marks: &[(f64, &'static str)], least: &'static str| {
        marks
            .iter()
            .rev()
            .find(|(from, _)| value >= *from)
            .map_or(least, |(_, id)| *id)
    };
    Some(match (quantity, ceiling) {
        ("passive-elevation", Ceiling::NoneAllowed) => "landmark-elevation-none",
        (q, Ceiling::NoneAllowed) if q.starts_with("active-elevation") => "landmark-active-none",
        ("passive-er-side", Ceiling::NoneAllowed) => "landmark-rotation-none",
        ("hand-behind-back", Ceiling::NoneAllowed) => "landmark-behind-none",
        ("hand-behind-back", Ceiling::UpTo { value }) => pick(
            value,
            &[(2.0, "landmark-behind-2"), (6.0, "landmark-behind-6")],
            "landmark-behind-none",
        ),
        ("hand-behind-back", Ceiling::Free) => "landmark-behind-free",
        (q, Ceiling::UpTo { value }) if q.contains("elevation") => pick(
            value,
            &[
                (45.0, "landmark-elevation-ribs"),
                (60.0, "landmark-elevation-chest"),
                (90.0, "landmark-elevation-shoulder"),
                (115.0, "landmark-elevation-mouth"),
                (130.0, "landmark-elevation-eyes"),
                (170.0, "landmark-elevation-crown"),
            ],
            "landmark-elevation-none",
        ),
        (q, Ceiling::Free) if q.contains("elevation") => "landmark-elevation-free",
        ("passive-er-side", Ceiling::UpTo { value }) => pick(
            value,
            &[
                (5.0, "landmark-rotation-5"),
                (25.0, "landmark-rotation-35"),
                (45.0, "landmark-rotation-50"),
            ],
            "landmark-rotation-none",
        ),
        ("passive-er-side", Ceiling::Free) => "landmark-rotation-free",
        _ => return None,
    })
}

/// Degrees that a landmark stands for, from body heights in shares of stature; none where it is no angle, or nothing is allowed.
fn degrees(id: &str) -> Option<f64> {
    let elbow_at = |height: f64| 90.0 + ((height - 0.818) / 0.186).asin().to_degrees();
    // A hand's width is 0.055 H, the forearm to the middle of the hand 0.195 H.
    match id.trim_start_matches("landmark-") {
        "elevation-ribs" => Some(elbow_at(0.68)),
        "elevation-chest" => Some(elbow_at(0.72)),
        "elevation-shoulder" => Some(elbow_at(0.818)),
        "elevation-mouth" => Some(elbow_at(0.89)),
        "elevation-eyes" => Some(elbow_at(0.936)),
        "elevation-crown" => Some(elbow_at(1.0)),
        "rotation-5" => Some(0.0),
        "rotation-35" => Some((0.055f64 / 0.195).asin().to_degrees()),
        "rotation-50" => Some(45.0),
        _ => None,
    }
}

/// A limit as it is told: what it is about, how far, and the way up to it where that can be drawn.
#[derive(Debug, Clone, PartialEq)]
pub struct LimitRow {
    /// The movement, by its id.
    pub quantity: &'static str,
    /// The movement, in plain words.
    pub what: String,
    /// How far, in plain words.
    pub how: String,
    /// From the hanging arm to the landmark.
    pub way: Option<Path>,
}

/// The way from rest up to a landmark: raised in the scapular plane with a straight arm, or turned outward with the elbow at the side.
fn way(quantity: &str, id: &str) -> Option<Path> {
    let end = degrees(id)?;
    let pose = |elevation_deg, twist_deg, elbow_deg| ArmPose {
        plane_deg: 35.0,
        elevation_deg,
        rotation: Rotation::TwistDeg(twist_deg),
        elbow_deg,
    };
    let keys = if quantity.contains("elevation") {
        vec![pose(4.0, 0.0, 8.0), pose(end, 0.0, 8.0)]
    } else {
        vec![pose(4.0, -45.0, 90.0), pose(4.0, end, 90.0)]
    };
    Some(Path { keys })
}

/// Today's limits in plain words.
///
/// Where somebody showed the limit in the room, with what it is at home.
pub fn limit_rows(ctx: &CheckContext, facts: &Facts, wording: &Wording, day: i32) -> Vec<LimitRow> {
    TOLD_AT_HOME
        .into_iter()
        .filter_map(|quantity| {
            let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
            let id = landmark(quantity, on.ceiling)?;
            let mut how = wording.say(id, &[]);
            if let Some(words) = landmark_at_home(ctx, facts, quantity, day) {
                let shown = wording.say("paper-landmark-shown", &[("words", Value::Text(words))]);
                how = format!("{how}; {shown}");
            }
            Some(LimitRow {
                quantity,
                what: wording.say(&format!("limit-{quantity}"), &[]),
                how,
                way: way(quantity, id),
            })
        })
        .collect()
}

/// How far one exercise may go, in plain words; empty when nothing limits it.
pub fn session_limit(
    ctx: &CheckContext,
    wording: &Wording,
    exercise: &Exercise,
    day: i32,
) -> String {
    let Some(adapts) = &exercise.adapts else {
        return String::new();
    };
    let on = ceiling_on(ctx.rules, ctx.limits, &adapts.quantity, day, ctx.today);
    match on.ceiling {
        Ceiling::Free => String::new(),
        ceiling => landmark(&adapts.quantity, ceiling)
            .map(|id| wording.say(id, &[]))
            .unwrap_or_default(),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Where nothing is allowed a landmark stands for nothing.
    fn reach(id: &str) -> f64 {
        degrees(id).unwrap_or_else(|| {
            assert!(id.ends_with("-none"), "{id} has no height");
            0.0
        })
    }

    #[test]
    fn a_landmark_never_lies_above_its_ceiling_and_never_sinks_when_the_ceiling_rises() {
        for quantity in [
            "passive-elevation",
            "active-elevation-lying",
            "passive-er-side",
        ] {
            let mut before = -1.0;
            for degrees in 0..=180 {
                let value = f64::from(degrees);
                let id = landmark(quantity, Ceiling::UpTo { value })
                    .unwrap_or_else(|| panic!("{quantity} has landmarks"));
                assert!(
                    reach(id) <= value,
                    "{quantity} {degrees}°: {id} allows more"
                );
                assert!(
                    reach(id) >= before,
                    "{quantity} {degrees}°: {id} is lower than before"
                );
                before = reach(id);
            }
        }
    }

    #[test]
    fn every_landmark_has_words_without_degrees() {
        let wording = ritorno_wording::Wording::english().unwrap_or_else(|error| panic!("{error}"));
        for quantity in [
            "passive-elevation",
            "active-elevation-upright",
            "passive-er-side",
            "hand-behind-back",
        ] {
            for ceiling in [Ceiling::NoneAllowed, Ceiling::Free]
                .into_iter()
                .chain((0..=180).map(|d| Ceiling::UpTo {
                    value: f64::from(d),
                }))
            {
                let id =
                    landmark(quantity, ceiling).unwrap_or_else(|| panic!("{quantity} {ceiling:?}"));
                let words = wording.say(id, &[]);
                assert!(wording.has(id) && !words.contains('°'), "{id}: {words}");
            }
        }
    }
}
