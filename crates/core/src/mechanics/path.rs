//! The path of an exercise: a few key poses, and every frame in between.

use super::pose::{ArmPose, Rotation};
use super::turn::{Arc, Turn};
use serde::{Deserialize, Serialize};

/// One key pose of an exercise file. Exactly one of the two rotations is given.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct KeyPose {
    /// Plane of elevation in degrees.
    pub plane_deg: f64,
    /// Elevation in degrees.
    pub elevation_deg: f64,
    /// τ in degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub twist_deg: Option<f64>,
    /// ψ in degrees.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub clinic_rotation_deg: Option<f64>,
    /// Elbow flexion in degrees.
    pub elbow_deg: f64,
}

impl KeyPose {
    /// The pose, or `None` when not exactly one rotation is given.
    pub fn pose(&self) -> Option<ArmPose> {
        let rotation = match (self.twist_deg, self.clinic_rotation_deg) {
            (Some(t), None) => Rotation::TwistDeg(t),
            (None, Some(c)) => Rotation::ClinicDeg(c),
            _ => return None,
        };
        Some(ArmPose {
            plane_deg: self.plane_deg,
            elevation_deg: self.elevation_deg,
            rotation,
            elbow_deg: self.elbow_deg,
        })
    }
}

/// A frame of a path: its pose and how far along it lies, 0 to 1.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct PathPoint {
    /// Share of the path, 0 at the start, 1 at the end.
    pub at: f64,
    /// The arm there.
    pub pose: ArmPose,
}

/// The key poses of one exercise, in order.
#[derive(Debug, Clone, PartialEq)]
pub struct Path {
    /// At least one pose; a hold has exactly one.
    pub keys: Vec<ArmPose>,
}

impl Path {
    /// The pose at share `at` of the path: orientations turn along the shortest arc between neighbouring keys, the elbow evenly.
    pub fn at(&self, at: f64) -> Option<ArmPose> {
        let last = self.keys.len().checked_sub(1)?;
        let place = at.clamp(0.0, 1.0) * last as f64;
        let i = (place.floor() as usize).min(last.saturating_sub(1));
        let (a, b) = (&self.keys[i], self.keys.get(i + 1).unwrap_or(&self.keys[i]));
        let k = place - i as f64;
        // Key poses are given exactly as written.
        if k == 0.0 || a == b {
            return Some(*a);
        }
        if k == 1.0 {
            return Some(*b);
        }
        let elbow = a.elbow_deg + (b.elbow_deg - a.elbow_deg) * k;
        let hint = if k < 0.5 { a.plane_deg } else { b.plane_deg };
        Some(ArmPose::from_orientation(
            a.orientation().towards(b.orientation(), k),
            elbow,
            hint,
        ))
    }

    /// `count` poses evenly along the path, both ends included, each with its share of the path and its orientation.
    ///
    /// The same poses as [`Path::at`] gives, with what a leg needs worked out once for all of its points.
    pub(super) fn walk(&self, count: usize) -> impl Iterator<Item = (f64, ArmPose, Turn)> + '_ {
        let turns: Vec<Turn> = self.keys.iter().map(ArmPose::orientation).collect();
        let arcs: Vec<Arc> = turns
            .windows(2)
            .map(|pair| Arc::between(pair[0], pair[1]))
            .collect();
        let legs = arcs.len();
        let steps = count.saturating_sub(1).max(1) as f64;
        let points = if self.keys.is_empty() {
            0
        } else {
            count.max(1)
        };
        (0..points).map(move |i| {
            let share = i as f64 / steps;
            let place = share * legs as f64;
            let leg = (place.floor() as usize).min(legs.saturating_sub(1));
            let k = place - leg as f64;
            let a = self.keys[leg];
            let Some(b) = self.keys.get(leg + 1).filter(|b| k > 0.0 && a != **b) else {
                return (share, a, turns[leg]);
            };
            if k >= 1.0 {
                return (share, *b, turns[leg + 1]);
            }
            let turn = arcs[leg].at(k);
            let elbow = a.elbow_deg + (b.elbow_deg - a.elbow_deg) * k;
            (
                share,
                ArmPose::from_orientation(
                    turn,
                    elbow,
                    if k < 0.5 { a.plane_deg } else { b.plane_deg },
                ),
                turn,
            )
        })
    }

    /// Key poses further apart than 90° of turn: between them the shortest arc is no longer what anybody means.
    pub fn jumps(&self) -> Option<(usize, f64)> {
        let turns = self
            .keys
            .windows(2)
            .map(|pair| pair[0].orientation().degrees_to(pair[1].orientation()));
        turns
            .enumerate()
            .find(|(_, deg)| *deg > 90.5)
            .map(|(i, deg)| (i + 1, deg))
    }

    /// Every frame that is checked: at most 2° of turn between neighbours, both ends included.
    pub fn frames(&self) -> Vec<PathPoint> {
        let widest = self
            .keys
            .windows(2)
            .map(|pair| {
                pair[0]
                    .orientation()
                    .degrees_to(pair[1].orientation())
                    .max((pair[1].elbow_deg - pair[0].elbow_deg).abs() / 2.0)
            })
            .fold(0.0f64, f64::max);
        let per_leg = ((widest / 2.0).ceil() as usize).max(1);
        let steps = per_leg * self.keys.len().saturating_sub(1);
        self.walk(steps + 1)
            .map(|(at, pose, _)| PathPoint { at, pose })
            .collect()
    }
}
