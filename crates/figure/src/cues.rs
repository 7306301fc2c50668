//! What the picture says beside the person: cues, the way of the hand, the limit.

use crate::art::{Art, INK, LIMIT, Point, WORK};
use crate::body::Body;
use crate::scene::{Scene, cue_track};
use ritorno_core::knowledge::{Cue, CuePlace, CueWay, Exercise, Level};
use ritorno_core::mechanics::{ArmPose, Attitude, Frame, Rotation, Vec3};

impl Art {
    /// A small arrow with a light rim, so that it stands out on the body and on paper.
    pub(crate) fn cue(&mut self, b: &Body, cue: &Cue, frame: &Frame) {
        let (from, way, both) = cue_track(b, cue, frame);
        let (x, y) = self.p(from);
        let (tx, ty) = self.p(from + way);
        let (dx, dy) = (tx - x, ty - y);
        let long = dx.hypot(dy).max(1.0);
        let (ux, uy) = (dx / long, dy / long);
        let line = |d: String, back: bool| {
            let start = if back {
                " marker-start=\"url(#cue)\""
            } else {
                ""
            };
            format!(
                "<path d=\"{d}\" fill=\"none\" stroke=\"#fffdf8\" stroke-width=\"6\" stroke-linecap=\"round\"/>\
<path d=\"{d}\" fill=\"none\" stroke=\"{INK}\" stroke-width=\"2.6\" stroke-linecap=\"round\"{start} marker-end=\"url(#cue)\"/>"
            )
        };
        let art = match cue.go {
            CueWay::Turn | CueWay::Tilt => {
                // Over the head for a tilt, flat like a halo for a turn.
                let (rx, ry, lift) = if cue.go == CueWay::Turn {
                    (13.0, 5.0, 2.0)
                } else {
                    (15.0, 13.0, 14.0)
                };
                let y = y + if cue.at == CuePlace::Head {
                    lift - 2.0
                } else {
                    0.0
                };
                line(
                    format!(
                        "M{:.1} {:.1}A{rx} {ry} 0 0 1 {:.1} {:.1}",
                        x - rx,
                        y,
                        x + rx,
                        y
                    ),
                    true,
                )
            }
            CueWay::Circle => line(format!("M{:.1} {:.1}a8 8 0 1 1 -3 -6", x + 8.0, y), false),
            CueWay::Open => {
                let mut rays = String::new();
                for k in -1..=1 {
                    let turn = f64::from(k) * 0.7;
                    let (fx, fy) = self.p(b.working.hand + (b.working.hand - b.working.wrist));
                    let (hx, hy) = self.p(b.working.hand);
                    let (ax, ay) = ((fx - hx) / 13.0, (fy - hy) / 13.0);
                    let (s, c) = turn.sin_cos();
                    let (rx, ry) = (ax * c - ay * s, ax * s + ay * c);
                    rays += &line(
                        format!(
                            "M{:.1} {:.1}L{:.1} {:.1}",
                            hx + rx * 5.0,
                            hy + ry * 5.0,
                            hx + rx * 14.0,
                            hy + ry * 14.0
                        ),
                        true,
                    );
                }
                rays
            }
            _ => {
                let length = if both { 11.0 } else { 17.0 };
                let start = if both { -11.0 } else { 3.0 };
                line(
                    format!(
                        "M{:.1} {:.1}L{:.1} {:.1}",
                        x + ux * start,
                        y + uy * start,
                        x + ux * length,
                        y + uy * length
                    ),
                    both,
                )
            }
        };
        self.grow(
            &[(x, y), (x + ux * 20.0, y + uy * 20.0)],
            if both { 16.0 } else { 5.0 },
        );
        self.out += &art;
    }

    /// The way the hand goes, or the shoulder of whoever leans.
    pub(crate) fn paths(&mut self, scene: &Scene, exercise: &Exercise) {
        let quick = exercise.demand.iter().any(|d| d.level == Level::Ballistic);
        if scene.moves {
            self.track(&scene.hand_track, quick);
        }
        if scene.sways && !scene.moves {
            self.track(
                &scene
                    .bodies
                    .iter()
                    .map(|b| b.working.shoulder)
                    .collect::<Vec<_>>(),
                quick,
            );
        }
    }

    pub(crate) fn track(&mut self, hands: &[Vec3], quick: bool) {
        let points: Vec<Point> = hands.iter().map(|v| self.p(*v)).collect();
        // Quick work is drawn with a broken, heavier line.
        let width = if quick {
            "2.8\" stroke-dasharray=\"9 4"
        } else {
            "1.8"
        };
        let style = format!("stroke=\"{WORK}\" stroke-width=\"{width}\" marker-end=\"url(#tip)\"");
        self.along(&points, &style);
    }

    /// The wedge beyond the limit, hatched: from the end of the path on, the way it was going.
    pub(crate) fn limit_wedge(&mut self, scene: &Scene, b: &Body, attitude: Attitude) {
        let end = &scene.end;
        let frame = Frame::of_pose(attitude, end);
        let (centre, reach) = match scene.turning {
            Some(_) => (b.working.elbow, (b.working.hand - b.working.elbow).norm()),
            None => {
                let reach = (b.working.hand - b.working.shoulder).norm();
                (b.working.shoulder, reach.max(0.3))
            }
        };
        let mut points = vec![self.p(centre)];
        for step in 0..=6 {
            let beyond = 1.0 + f64::from(step) * 4.0;
            let way = match scene.turning {
                Some(turned) => ArmPose {
                    rotation: Rotation::TwistDeg(end.twist_deg() + beyond.copysign(turned)),
                    ..*end
                }
                .forearm(),
                None => ArmPose {
                    elevation_deg: (end.elevation_deg + beyond).min(180.0),
                    ..*end
                }
                .upper_arm(),
            };
            points.push(self.p(centre + frame.room(way) * reach));
        }
        self.shape(
            &points,
            &format!("fill=\"url(#stop)\" stroke=\"{LIMIT}\" stroke-width=\"0.8\""),
        );
    }
}
