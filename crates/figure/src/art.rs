//! The pen: colours, limbs, outlines, and what they take up.

use crate::camera::Camera;
use ritorno_core::mechanics::Vec3;
use std::fmt::Write as _;

pub(crate) type Point = (f64, f64);
pub(crate) const INK: &str = "#2b2a27";
pub(crate) const BODY: &str = "#efe7d8";
pub(crate) const SHIRT: &str = "#d8cbb3";
pub(crate) const HAIR: &str = "#6b6255";
pub(crate) const WORK: &str = "#12616b";
pub(crate) const WORK_FILL: &str = "#8fc1c4";
pub(crate) const PROP: &str = "#8d8471";
pub(crate) const LIMIT: &str = "#a8402c";

pub(crate) struct Art {
    pub(crate) camera: Camera,
    pub(crate) out: String,
    pub(crate) bounds: Option<[f64; 4]>,
}

impl Art {
    pub(crate) fn p(&self, v: Vec3) -> Point {
        let (x, y, _) = self.camera.project(v);
        (x * 100.0, y * 100.0)
    }

    pub(crate) fn grow(&mut self, points: &[Point], pad: f64) {
        for (x, y) in points {
            let b = self.bounds.get_or_insert([*x, *y, *x, *y]);
            b[0] = b[0].min(x - pad);
            b[1] = b[1].min(y - pad);
            b[2] = b[2].max(x + pad);
            b[3] = b[3].max(y + pad);
        }
    }

    /// A limb: the outline round circles along a line.
    pub(crate) fn limb(&mut self, joints: &[(Vec3, f64)], style: &str) {
        for pair in joints.windows(2) {
            let (a, b) = (self.p(pair[0].0), self.p(pair[1].0));
            let outline = hull(&[(a, pair[0].1), (b, pair[1].1)]);
            self.shape(&outline, style);
        }
    }

    pub(crate) fn shape(&mut self, outline: &[Point], style: &str) {
        self.grow(outline, 1.0);
        let _ = write!(
            self.out,
            "<polygon points=\"{}\" {style}/>",
            written(outline)
        );
    }

    /// A line through points, open.
    pub(crate) fn along(&mut self, points: &[Point], style: &str) {
        self.grow(points, 3.0);
        let _ = write!(
            self.out,
            "<polyline points=\"{}\" fill=\"none\" stroke-linecap=\"round\" {style}/>",
            written(points)
        );
    }

    pub(crate) fn line(&mut self, from: Vec3, to: Vec3, style: &str) {
        let (a, b) = (self.p(from), self.p(to));
        self.grow(&[a, b], 1.0);
        let _ = write!(
            self.out,
            "<line x1=\"{:.1}\" y1=\"{:.1}\" x2=\"{:.1}\" y2=\"{:.1}\" {style}/>",
            a.0, a.1, b.0, b.1
        );
    }
}

/// The outline round circles: the convex hull of points on them (monotone chain).
pub(crate) fn hull(circles: &[(Point, f64)]) -> Vec<Point> {
    let mut points: Vec<Point> = circles
        .iter()
        .flat_map(|((x, y), r)| {
            (0..20).map(move |i| {
                let (sin, cos) = (f64::from(i) * std::f64::consts::TAU / 20.0).sin_cos();
                (x + r * cos, y + r * sin)
            })
        })
        .collect();
    points.sort_by(|a, b| a.partial_cmp(b).unwrap_or(std::cmp::Ordering::Equal));
    let turn = |o: Point, a: Point, b: Point| (a.0 - o.0) * (b.1 - o.1) - (a.1 - o.1) * (b.0 - o.0);
    let half = |points: &mut dyn Iterator<Item = Point>| {
        let mut chain: Vec<Point> = Vec::new();
        for p in points {
            while chain.len() >= 2 && turn(chain[chain.len() - 2], chain[chain.len() - 1], p) <= 0.0
            {
                chain.pop();
            }
            chain.push(p);
        }
        chain.pop();
        chain
    };
    let mut out = half(&mut points.iter().copied());
    out.extend(half(&mut points.iter().rev().copied()));
    out
}

/// Points as an attribute holds them.
fn written(points: &[Point]) -> String {
    let each = points.iter().map(|(x, y)| format!("{x:.1},{y:.1}"));
    each.collect::<Vec<_>>().join(" ")
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn the_outline_of_one_circle_is_that_circle() {
        let outline = hull(&[((3.0, 4.0), 2.0)]);
        assert_eq!(outline.len(), 20);
        assert!(
            outline
                .iter()
                .all(|(x, y)| ((x - 3.0).hypot(y - 4.0) - 2.0).abs() < 1e-9)
        );
    }
}
