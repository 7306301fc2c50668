//! A path with its frames, and what is greatest on it between the frames too.

use super::path::{Path, PathPoint};
use super::pose::ArmPose;

/// How often the step between two frames is halved where a rule begins or ends to speak: 2° become less than 0.00001°.
const HALVINGS: usize = 18;
/// How often the two steps around a peak are narrowed, by a third each time.
const THIRDS: usize = 32;

/// A path and its frames.
#[derive(Debug, Clone, PartialEq)]
pub struct Track {
    path: Path,
    frames: Vec<PathPoint>,
}

impl Track {
    /// The frames of a path, at most 2° of turn apart.
    pub fn of(path: Path) -> Track {
        let frames = path.frames();
        Track { path, frames }
    }

    /// The path.
    pub fn path(&self) -> &Path {
        &self.path
    }

    /// Its frames, in order.
    pub fn frames(&self) -> &[PathPoint] {
        &self.frames
    }

    /// The greatest value on the whole path, `None` where none of it has one.
    ///
    /// A value need not be greatest at a frame: it may end to count between two frames (a range that is read below 30° only), or
    /// turn there. Both places are looked for.
    ///
    /// ```
    /// use ritorno_core::mechanics::{ArmPose, Path, Rotation, Track};
    ///
    /// let at = |elevation_deg| ArmPose { plane_deg: 30.0, elevation_deg, rotation: Rotation::TwistDeg(0.0), elbow_deg: 0.0 };
    /// let raise = Track::of(Path { keys: vec![at(0.0), at(89.0)] });
    /// // Up to 30° only: no frame lies there, the path passes it.
    /// let low = raise.greatest(|pose| (pose.elevation_deg < 30.0).then_some(pose.elevation_deg));
    /// assert!((low.expect("the arm hangs at first") - 30.0).abs() < 1e-3);
    /// ```
    pub fn greatest(&self, value: impl Fn(&ArmPose) -> Option<f64>) -> Option<f64> {
        let at_frames: Vec<Option<f64>> = self.frames.iter().map(|f| value(&f.pose)).collect();
        let mut top = at_frames.iter().flatten().copied().reduce(f64::max);
        let mut see = |found: Option<f64>| {
            if let Some(v) = found {
                top = Some(top.map_or(v, |t| t.max(v)));
            }
        };
        let there = |share: f64| self.path.at(share).and_then(|pose| value(&pose));
        for (pair, values) in self.frames.windows(2).zip(at_frames.windows(2)) {
            // The value counts at one of the two only: the last place where it does.
            if values[0].is_some() != values[1].is_some() {
                let (mut counts, mut not) = (pair[0].at, pair[1].at);
                if values[0].is_none() {
                    std::mem::swap(&mut counts, &mut not);
                }
                for _ in 0..HALVINGS {
                    let middle = (counts + not) / 2.0;
                    let found = there(middle);
                    see(found);
                    if found.is_some() {
                        counts = middle
                    } else {
                        not = middle
                    }
                }
            }
        }
        let lowest = f64::NEG_INFINITY;
        for (i, three) in at_frames.windows(3).enumerate() {
            let [before, here, after] = [0, 1, 2].map(|k| three[k].unwrap_or(lowest));
            if here > lowest && here >= before && here >= after && (here > before || here > after) {
                let (mut from, mut to) = (self.frames[i].at, self.frames[i + 2].at);
                for _ in 0..THIRDS {
                    let (left, right) = (from + (to - from) / 3.0, to - (to - from) / 3.0);
                    let (l, r) = (there(left), there(right));
                    see(l);
                    see(r);
                    if l.unwrap_or(lowest) < r.unwrap_or(lowest) {
                        from = left
                    } else {
                        to = right
                    }
                }
            }
        }
        top
    }

    /// Whether a value passes nought anywhere on the path. Looks between frames only where the frames leave it open.
    pub fn passes_nought(&self, value: impl Fn(&ArmPose) -> f64) -> bool {
        let mut top = f64::NEG_INFINITY;
        let mut step: f64 = 0.0;
        let mut last: Option<f64> = None;
        for frame in &self.frames {
            let v = value(&frame.pose);
            if v > 0.0 {
                return true;
            }
            top = top.max(v);
            step = step.max(last.map_or(0.0, |l| (v - l).abs()));
            last = Some(v);
        }
        // Between two frames a value hardly goes further beyond them than the widest step there is: else there is nothing to look for.
        top + step > 0.0
            && self
                .greatest(|pose| Some(value(pose)))
                .is_some_and(|v| v > 0.0)
    }
}
