//! Where we look from: the view in which the movement shows best.

use ritorno_core::mechanics::{Attitude, Vec3};

/// A camera far away: azimuth 0° looks at the working side, 90° at the face; elevation looks down.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(crate) struct Camera {
    /// Horizontal, to the right of the picture.
    pub(crate) right: Vec3,
    up: Vec3,
    towards: Vec3,
}

impl Camera {
    pub(crate) fn new(azimuth_deg: f64, elevation_deg: f64) -> Camera {
        let (sa, ca) = azimuth_deg.to_radians().sin_cos();
        let (se, ce) = elevation_deg.to_radians().sin_cos();
        // From the scene to the viewer.
        let towards = Vec3::new(sa * ce, se, ca * ce);
        let right = Vec3::new(ca, 0.0, -sa);
        Camera {
            right,
            up: towards.cross(right),
            towards,
        }
    }

    /// Picture coordinates (y grows downward) and depth (greater is nearer).
    pub(crate) fn project(&self, p: Vec3) -> (f64, f64, f64) {
        (p.dot(self.right), -p.dot(self.up), p.dot(self.towards))
    }
}

/// The camera in which the hand travels furthest; elbow and cues count less. The plain views win when they are nearly as good.
///
/// `crosses`: the other hand lets go and crosses in front, which is only seen from ahead.
pub(crate) fn best(tracks: &[Vec<Vec3>], attitude: Attitude, crosses: bool) -> Camera {
    let lying = matches!(
        attitude,
        Attitude::Supine | Attitude::SideLying | Attitude::Prone | Attitude::Reclined
    );
    if attitude.leans_on_hand() && crosses {
        return Camera::new(38.0, 14.0);
    }
    if attitude.leans_on_hand() {
        // From the side, a little from ahead and above: body line, both hands and the wall are seen.
        return Camera::new(
            if attitude == Attitude::SidePlank {
                -12.0
            } else {
                16.0
            },
            8.0,
        );
    }
    let candidates: &[(f64, f64, f64)] = if attitude == Attitude::Prone {
        &[(0.0, 8.0, 1.0), (0.0, 48.0, 0.9), (52.0, 20.0, 1.0)]
    } else if matches!(attitude, Attitude::TableBow | Attitude::ForwardLean) {
        &[(0.0, 4.0, 1.0), (90.0, 4.0, 1.0), (45.0, 10.0, 1.0)]
    } else if attitude == Attitude::SideLying {
        &[(0.0, 8.0, 1.0), (0.0, 48.0, 1.05)]
    } else if lying {
        &[(0.0, 8.0, 1.0), (0.0, 48.0, 0.92)]
    } else {
        &[
            (0.0, 4.0, 1.0),
            (90.0, 4.0, 1.0),
            (45.0, 10.0, 1.0),
            // Square on to the scapular plane, from ahead of the other side.
            (125.0, 6.0, 0.9),
            (35.0, 40.0, 0.9),
        ]
    };
    let seen = |camera: &Camera| -> f64 {
        let weight = |place: usize| if place == 0 { 1.0 } else { 0.4 };
        let all = tracks.iter().enumerate();
        all.flat_map(|(place, track)| track.windows(2).map(move |pair| (weight(place), pair)))
            .map(|(weight, pair)| {
                let (a, b) = (camera.project(pair[0]), camera.project(pair[1]));
                weight * (a.0 - b.0).hypot(a.1 - b.1)
            })
            .sum()
    };
    let mut best = (Camera::new(0.0, 4.0), -1.0);
    for (azimuth, elevation, favour) in candidates {
        let camera = Camera::new(*azimuth, *elevation);
        let length = seen(&camera) * favour;
        if length > best.1 + 1e-9 {
            best = (camera, length);
        }
    }
    if best.1 < 0.05 {
        // Nothing moves at the shoulder: three-quarter view, the person as a whole.
        return if lying {
            Camera::new(0.0, 20.0)
        } else {
            Camera::new(50.0, 8.0)
        };
    }
    best.0
}
