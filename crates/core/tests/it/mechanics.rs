//! Moments, rubber and rotations against independent ways to the same numbers.
//!
//! `oracles/moments.json` was made by `oracles/moments.py`: rotation matrices, forces one by one, derivatives instead of
//! formulas, and a general-purpose library for the fit. The worked values are arithmetic on published segment tables.

use crate::shoulder::known;
use proptest::prelude::*;
use ritorno_core::admission::load;
use ritorno_core::mechanics::*;
use serde::Deserialize;

fn table(id: &str) -> &'static SegmentTable {
    known()
        .segments
        .iter()
        .find(|t| t.id == id)
        .unwrap_or_else(|| panic!("no table {id}"))
}

fn arm(person: Person) -> ArmBody {
    ArmBody::new(known().segment_table().expect("one for everybody"), person)
}

fn pose(plane_deg: f64, elevation_deg: f64, twist: f64, elbow_deg: f64) -> ArmPose {
    ArmPose {
        plane_deg,
        elevation_deg,
        rotation: Rotation::TwistDeg(twist),
        elbow_deg,
    }
}

fn kg(weight_kg: f64) -> Resolved {
    Resolved {
        weight_kg,
        ..Resolved::NONE
    }
}

#[derive(Deserialize)]
struct Expected {
    rotation_nm: f64,
    raising_nm: f64,
    across_nm: f64,
    force_n: f64,
}
#[derive(Deserialize)]
struct OracleBand {
    anchor: [f64; 3],
    slack_m: f64,
    a_n: f64,
    b_n: f64,
    strands: f64,
}
#[derive(Deserialize)]
struct Case {
    attitude: Attitude,
    plane_deg: f64,
    elevation_deg: f64,
    twist_deg: f64,
    elbow_deg: f64,
    mass_kg: f64,
    height_m: f64,
    weight_kg: f64,
    carried: f64,
    support_n: [f64; 3],
    band: Option<OracleBand>,
    expected: Expected,
}
#[derive(Deserialize)]
struct OracleFit {
    points: Vec<PullPoint>,
    a_n: f64,
    b_n: f64,
    at_100_n: f64,
    covariance: [f64; 4],
}
#[derive(Deserialize)]
struct Oracle {
    cases: Vec<Case>,
    fits: Vec<OracleFit>,
}

fn oracle() -> Oracle {
    serde_json::from_str(include_str!("../oracles/moments.json")).expect("moments.json")
}

fn vector([x, y, z]: [f64; 3]) -> Vec3 {
    Vec3::new(x, y, z)
}

#[test]
fn moments_agree_with_plain_vectors_in_every_attitude() {
    let cases = oracle().cases;
    assert!(
        cases.len() >= 60
            && Attitude::ALL
                .iter()
                .all(|a| cases.iter().any(|c| c.attitude == *a))
    );
    for (i, c) in cases.iter().enumerate() {
        let load = Resolved {
            weight_kg: c.weight_kg,
            carried: c.carried,
            support_n: vector(c.support_n),
            rests: false,
            band: c.band.as_ref().map(|b| Band {
                anchor: vector(b.anchor),
                slack_m: b.slack_m,
                law: Law {
                    a_n: b.a_n,
                    b_n: b.b_n,
                },
                strands: b.strands,
            }),
        };
        let person = Person {
            mass_kg: c.mass_kg,
            height_m: c.height_m,
        };
        let (split, band) = supply_at(
            &arm(person),
            c.attitude,
            &load,
            &pose(c.plane_deg, c.elevation_deg, c.twist_deg, c.elbow_deg),
        );
        let off = [
            split.rotation_nm - c.expected.rotation_nm,
            split.raising_nm - c.expected.raising_nm,
            split.across_nm - c.expected.across_nm,
            band.map_or(0.0, |[_, force]| force) - c.expected.force_n,
        ];
        assert!(
            off.iter().all(|d| d.abs() < 1e-6),
            "case {i} {:?}: {off:?}",
            c.attitude
        );
    }
}

#[test]
fn the_worked_example_of_the_horizontal_arm() {
    // 75 kg, 1.75 m. Segment by segment 2.92 + 5.13 + 2.87 = 10.92 N·m (the published example rounds to 11.0); 10.9 with the
    // men's table of 1996. All from memory.
    let straight = pose(0.0, 90.0, 0.0, 0.0);
    let raising = |id: &str| {
        supply_at(
            &ArmBody::new(table(id), Person::REFERENCE),
            Attitude::Standing,
            &Resolved::NONE,
            &straight,
        )
        .0
        .raising_nm
    };
    assert!(
        (raising("dempster-winter") - 10.915).abs() < 0.005
            && (raising("dempster-winter") / 11.0 - 1.0).abs() < 0.01
    );
    assert!(
        (raising("de-leva-men") - 10.9).abs() < 0.2,
        "{}",
        raising("de-leva-men")
    );
    assert!(raising("de-leva-women") < raising("de-leva-men"));
    let body = arm(Person::REFERENCE);
    let at = |attitude, load: &Resolved, pose: &ArmPose| supply_at(&body, attitude, load, pose).0;
    // Elbow square, forearm straight up: g × (2.1 × 0.1419 + 1.65 × 0.3255) = 8.2.
    assert!(
        (at(
            Attitude::Standing,
            &Resolved::NONE,
            &pose(0.0, 90.0, 90.0, 90.0)
        )
        .raising_nm
            - 8.2)
            .abs()
            < 0.03
    );
    // Lying on the side, upper arm on the trunk, forearm level, by the published forearm-and-hand centre: 2.8, 6.0 and 9.2 N·m with 0, 1 and 2 kg, all external rotation.
    for (weight, wanted) in [(0.0, 2.8), (1.0, 6.0), (2.0, 9.2)] {
        let split = at(
            Attitude::SideLying,
            &Resolved {
                rests: true,
                ..kg(weight)
            },
            &pose(30.0, 0.0, 0.0, 90.0),
        );
        assert!(
            (split.rotation_nm / wanted - 1.0).abs() < 0.035
                && split.main() == Some(Supply::ExternalRotators),
            "{weight}: {split:?}"
        );
    }
    // Lying on the back, elbow square, forearm up: nothing turns it.
    assert!(
        at(Attitude::Supine, &kg(2.0), &pose(30.0, 0.0, 0.0, 90.0))
            .rotation_nm
            .abs()
            < 1e-9
    );
    // Hanging straight: nothing at all.
    assert!(at(Attitude::Standing, &kg(5.0), &pose(0.0, 0.0, 0.0, 0.0)).total_nm() < 1e-9);
    // One held kilogram at 0.649 m: 6.4 N·m more at the horizontal (worked example 17.7 against 11.3 by the whole-arm centre).
    let held = at(Attitude::Standing, &kg(1.0), &straight).raising_nm
        - at(Attitude::Standing, &Resolved::NONE, &straight).raising_nm;
    assert!((held - 9.81 * 0.64925).abs() < 0.01);
}

#[test]
fn the_worked_example_of_a_band_under_the_foot() {
    // Anchor on the floor below the shoulder, slack 0.70 m: band lengths 0.782 to 1.844 m between 0 and 120° of abduction,
    // longest beyond the horizontal. The force law differs (linear there), so lengths and lever arms are compared.
    let body = arm(Person::REFERENCE);
    let anchor = Anchor {
        height: AnchorHeight::Floor,
        side: AnchorSide::Under,
        distance_m: 0.0,
    };
    let at = anchor.from_shoulder(&body, Attitude::Standing);
    assert!((at.y + 1.4315).abs() < 1e-9 && at.x == 0.0 && at.z == 0.0);
    let band = Band {
        anchor: at,
        slack_m: 0.70,
        law: Law::ideal(20.0),
        strands: 1.0,
    };
    for (deg, length, lever) in [
        (0.0, 0.782, 0.0),
        (30.0, 0.928, 0.501),
        (60.0, 1.241, 0.648),
        (90.0, 1.572, 0.591),
        (120.0, 1.844, 0.437),
    ] {
        let pulled = Resolved {
            band: Some(band),
            ..Resolved::NONE
        };
        let (with, read) = supply_at(
            &body,
            Attitude::Standing,
            &pulled,
            &pose(0.0, deg, 0.0, 0.0),
        );
        let (without, _) = supply_at(
            &body,
            Attitude::Standing,
            &Resolved::NONE,
            &pose(0.0, deg, 0.0, 0.0),
        );
        let [elongation, force] = read.expect("a band");
        assert!(
            (0.70 * (1.0 + elongation / 100.0) - length).abs() < 0.002,
            "{deg}"
        );
        assert!(
            ((with.raising_nm - without.raising_nm) / force - lever).abs() < 0.002,
            "{deg}"
        );
    }
}

#[test]
fn facts_of_the_trade_hold_as_numbers() {
    // Common practice, no published source: a step closer reduces the tension; raising to 90° asks more than to 45°; two
    // strands pull twice; slack pulls nothing and that is said.
    let body = arm(Person::REFERENCE);
    let out = Path {
        keys: vec![pose(30.0, 0.0, -40.0, 90.0), pose(30.0, 0.0, 35.0, 90.0)],
    };
    let row = |distance_m: f64, strands: f64| {
        let anchor = Anchor {
            height: AnchorHeight::Elbow,
            side: AnchorSide::Opposite,
            distance_m,
        }
        .from_shoulder(&body, Attitude::Standing);
        let load = Resolved {
            band: Some(Band {
                anchor,
                slack_m: 0.6,
                law: Law::ideal(15.0),
                strands,
            }),
            rests: true,
            ..Resolved::NONE
        };
        curve(&body, Attitude::Standing, &load, &out, 101, 2.0)
    };
    assert!(row(1.2, 1.0).peak_nm > row(1.0, 1.0).peak_nm + 0.5);
    let single = row(1.0, 1.0);
    assert_eq!(single.main, Some(Supply::ExternalRotators));
    let forces = |c: &Curve| {
        c.points
            .iter()
            .map(|p| p.band.expect("a band")[1])
            .collect::<Vec<_>>()
    };
    assert!(
        forces(&row(1.0, 2.0))
            .iter()
            .zip(forces(&single))
            .all(|(two, one)| (two - 2.0 * one).abs() < 1e-9)
    );
    let slack = row(0.3, 1.0);
    assert!(slack.slack_share > 0.5 && forces(&slack).contains(&0.0));
    let raise = |deg: f64| {
        supply_at(
            &body,
            Attitude::Standing,
            &kg(1.0),
            &pose(30.0, deg, 0.0, 0.0),
        )
        .0
        .raising_nm
    };
    assert!(
        raise(90.0) > raise(45.0)
            && (raise(45.0) / raise(90.0) - 45f64.to_radians().sin()).abs() < 1e-9
    );
}

#[test]
fn a_level_is_fitted_as_a_general_library_fits_it() {
    for o in oracle().fits {
        let found = fit(&o.points).expect("sound points");
        assert!(
            (found.law.a_n - o.a_n).abs() < 1e-4 && (found.law.b_n - o.b_n).abs() < 1e-4,
            "{:?} {} {}",
            found.law,
            o.a_n,
            o.b_n
        );
        assert!((found.at_100_n - o.at_100_n).abs() < 1e-4);
        // Half-width at 100 %: Student's 2.447 for six degrees of freedom times the library's covariance along the curve.
        let [x, y] = [1.75, 0.875];
        let [aa, ab, _, bb] = o.covariance;
        let wanted = 2.447 * (x * x * aa + 2.0 * x * y * ab + y * y * bb).sqrt();
        assert!(
            (found.error_n(100.0) - wanted).abs() < 1e-3,
            "{} {wanted}",
            found.error_n(100.0)
        );
        assert_eq!(
            (
                found.measured_to_pct,
                found.law.force_n(0.0),
                found.law.force_n(-20.0)
            ),
            (240.0, 0.0, 0.0)
        );
    }
    // The ideal elastomer, relative to 100 %: 0.35, 0.60, 1.34, 1.65, 1.95 at 25, 50, 150, 200, 250 % (arithmetic).
    let ideal = Law::ideal(10.0);
    for (pct, share) in [
        (25.0, 0.35),
        (50.0, 0.60),
        (100.0, 1.0),
        (150.0, 1.34),
        (200.0, 1.65),
        (250.0, 1.95),
    ] {
        assert!(
            (ideal.force_n(pct) / 10.0 - share).abs() < 0.01,
            "{pct}: {}",
            ideal.force_n(pct)
        );
    }
}

#[test]
fn points_and_bodies_that_cannot_be_are_named() {
    let points = |rows: &[(f64, f64)]| {
        rows.iter()
            .map(|(e, f)| PullPoint {
                elongation_pct: *e,
                force_n: *f,
            })
            .collect::<Vec<_>>()
    };
    let said = |rows: &[(f64, f64)]| fit(&points(rows)).expect_err("no calibration").to_string();
    assert_eq!(
        said(&[(50.0, 8.0), (50.0, 9.0), (100.0, 12.0), (150.0, 15.0)]),
        "point 2: 50 % does not come after 50 %"
    );
    assert_eq!(
        said(&[(50.0, 8.0), (40.0, 9.0), (100.0, 12.0), (150.0, 15.0)]),
        "point 2: 40 % does not come after 50 %"
    );
    assert_eq!(
        said(&[(50.0, 8.0), (100.0, 12.0), (150.0, 7.0), (200.0, 15.0)]),
        "point 3: 7 N at a greater length is less than 12 N"
    );
    assert_eq!(
        said(&[(50.0, 8.0), (100.0, 12.0)]),
        "needs at least 4 points, got 2"
    );
    assert_eq!(
        said(&[(0.0, 8.0), (100.0, 12.0)]),
        "point 1: 0 % is outside 1 to 400 %"
    );
    assert_eq!(
        said(&[(50.0, f64::NAN), (100.0, 12.0)]),
        "point 1: NaN N is outside 0.1 to 500 N"
    );
    assert_eq!(
        said(&[(50.0, 8.0), (60.0, 9.0), (70.0, 10.0), (80.0, 11.0)]),
        "the points lie between 50 and 80 %: spread them over at least 60 %"
    );
    let person = |mass_kg, height_m| {
        Person { mass_kg, height_m }
            .checked()
            .map_err(|e| e.to_string())
    };
    assert_eq!(
        person(0.0, 1.75),
        Err("mass_kg is 0, possible are 2 to 350".to_owned())
    );
    assert_eq!(
        person(75.0, 17.5),
        Err("height_m is 17.5, possible are 0.4 to 2.5".to_owned())
    );
    assert!(person(f64::NAN, 1.75).is_err() && person(75.0, 1.75).is_ok());
}

#[test]
fn a_path_that_leaps_and_a_load_that_cannot_be_name_their_place() {
    let with = |from: &str, to: &str| {
        let mut files = crate::shoulder::files();
        let file = files
            .iter_mut()
            .find(|f| {
                f.text
                    .contains("id = \"assisted-elevation-lying-other-hand\"")
            })
            .expect("the file");
        assert!(file.text.contains(from), "{from}");
        file.text = file.text.replacen(from, to, 1);
        load(&files)
            .expect_err("refused")
            .iter()
            .map(ToString::to_string)
            .collect::<Vec<_>>()
            .join("\n")
    };
    let leap = with(
        "id = \"assisted-elevation-lying-other-hand\"",
        "id = \"pel0\"\nladder = \"assisted-elevation\"\nrung = 9\npurpose = \"move\"\nattitude = \"supine\"\ngates = [\"passive-elevation-supported\"]\ndemand = []\nhelper = \"none\"\npath = [{ plane_deg = 80, elevation_deg = 10, twist_deg = 0, elbow_deg = 0 }, { plane_deg = 80, elevation_deg = 150, twist_deg = 0, elbow_deg = 0 }]\nload = { kind = \"elastic\", anchor = { height = \"waist\", side = \"opposite\", distance_m = 0.1 } }\ndose = { sets = 1, repetitions = 1, times_per_day = 1, days_per_week = 1 }\nrange = { sets = [1, 3], repetitions = [1, 15], hold_s = [0, 10], times_per_day = [1, 4] }\nsource = \"our choice\"\nconfidence = \"P\"\n\n[[exercise]]\nid = \"assisted-elevation-lying-other-hand\"",
    );
    for said in [
        "row `pel0`, field `path[1]`: turns 140° from the key pose before",
        "row `pel0`, field `load.anchor.distance_m`: 0.1 m lies inside the body",
        "row `pel0`, field `dose.elastic_level`: an elastic needs a level",
    ] {
        assert!(leap.contains(said), "no {said:?} in {leap}");
    }
    let joint = with("elbow_deg", "knee_deg");
    assert!(
        joint.contains("assisted-elevation-lying-other-hand") && joint.contains("knee_deg"),
        "{joint}"
    );
}

fn any_pose() -> impl Strategy<Value = ArmPose> {
    (
        -80.0f64..130.0,
        3.0f64..168.0,
        -100.0f64..100.0,
        0.0f64..140.0,
    )
        .prop_map(|(p, e, t, b)| pose(p, e, t, b))
}

fn any_attitude() -> impl Strategy<Value = Attitude> {
    (0..Attitude::ALL.len()).prop_map(|i| Attitude::ALL[i])
}

proptest! {
    /// Every rotation survives the way through a quaternion, and through the published joint-coordinate standard.
    #[test]
    fn orientations_and_the_standard_round_trip(at in any_pose()) {
        let close = |other: &ArmPose| at.orientation().degrees_to(other.orientation()) < 1e-4;
        let back = ArmPose::from_orientation(at.orientation(), at.elbow_deg, 0.0);
        prop_assert!(close(&back) && (back.plane_deg - at.plane_deg).abs() < 1e-6 && (back.elevation_deg - at.elevation_deg).abs() < 1e-6);
        prop_assert!(((back.twist_deg() - at.twist_deg() + 540.0).rem_euclid(360.0) - 180.0).abs() < 1e-6);
        let standard = at.to_standard();
        prop_assert!(standard.elevation_deg <= 0.0, "negative as published");
        prop_assert!(((standard.axial_deg + at.clinic_deg() + 540.0).rem_euclid(360.0) - 180.0).abs() < 1e-6, "axial rotation is internal positive");
        prop_assert!(close(&ArmPose::from_standard(standard, at.elbow_deg)));
    }

    /// The sum of both rotations survives at the side as well, where the standard's angles do not mean anything alone.
    #[test]
    fn the_hanging_arm_round_trips(plane in -80.0f64..130.0, twist in -90.0f64..90.0) {
        let at = pose(plane, 0.0, twist, 90.0);
        let there = ArmPose::from_standard(at.to_standard(), 90.0);
        prop_assert!(at.orientation().degrees_to(there.orientation()) < 1e-4);
    }

    /// What shoulder and elbow do along a path is what gravity and band have stored: within 1 % over the whole path.
    #[test]
    fn work_along_a_path_equals_the_change_of_energy(attitude in any_attitude(), a in any_pose(), turn in -40.0f64..40.0, weight in 0.0f64..5.0, ahead in 0.6f64..1.6, down in -1.2f64..0.4) {
        prop_assume!(attitude != Attitude::TableBow);
        let body = arm(Person::REFERENCE);
        let b = ArmPose { plane_deg: a.plane_deg + turn, elevation_deg: (a.elevation_deg + turn).clamp(2.0, 169.0), elbow_deg: (a.elbow_deg + turn).clamp(0.0, 140.0), ..a };
        let path = Path { keys: vec![a, b] };
        let band = Band { anchor: Vec3::new(ahead, down, -0.3), slack_m: 0.35, law: Law { a_n: 12.0, b_n: 5.0 }, strands: 1.0 };
        let load = Resolved { weight_kg: weight, band: Some(band), carried: 0.2, support_n: Vec3::new(5.0, 20.0, 0.0), rests: false };
        let (mut work, mut stored, mut moved) = (0.0, 0.0, 0.0);
        for i in 0..200 {
            let at = |k: i32| path.at(f64::from(k) / 200.0).expect("a pose");
            let (w, e) = work_and_energy(&body, attitude, &load, &at(i), &at(i + 1));
            work += w;
            stored += e;
            moved += e.abs();
        }
        prop_assert!((work - stored).abs() <= 0.01 * moved + 1e-3, "{work} against {stored} of {moved}");
    }

    /// No load leaves the arm's weight, double the weight doubles its part, and the parts add up.
    #[test]
    fn moments_are_linear_in_the_weight(attitude in any_attitude(), at in any_pose(), weight in 0.1f64..8.0) {
        let body = arm(Person::REFERENCE);
        let of = |load: &Resolved| supply_at(&body, attitude, load, &at).0;
        let (none, one, two) = (of(&Resolved::NONE), of(&kg(weight)), of(&kg(2.0 * weight)));
        for part in [|s: &Split| s.rotation_nm, |s: &Split| s.raising_nm, |s: &Split| s.across_nm] {
            prop_assert!(((part(&two) - part(&none)) - 2.0 * (part(&one) - part(&none))).abs() < 1e-9);
        }
        let carried = of(&Resolved { carried: 1.0, ..Resolved::NONE });
        prop_assert!(carried.total_nm() < 1e-9, "what is carried whole weighs nothing");
    }

    /// The inverse finds the weight whose peak is the wanted one, or says which way it fails.
    #[test]
    fn a_solved_weight_gives_the_wanted_peak(wanted in 1.0f64..60.0) {
        let body = arm(Person::REFERENCE);
        let path = Path { keys: vec![pose(30.0, 5.0, 0.0, 5.0), pose(30.0, 85.0, 20.0, 5.0)] };
        let peak = |weight: f64| peak_nm(&body, Attitude::Standing, &kg(weight), &path);
        match solve_for(wanted, [0.0, 8.0], peak) {
            Ok(weights) => prop_assert!(!weights.is_empty() && weights.iter().all(|w| (peak(*w) - wanted).abs() < 0.05)),
            Err(NoAnswer::TooMuch { least_nm }) => prop_assert!(wanted < least_nm),
            Err(NoAnswer::TooLittle { most_nm }) => prop_assert!(wanted > most_nm),
        }
    }
}
