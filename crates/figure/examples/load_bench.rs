//! How long the load bench takes: `cargo run --release -p ritorno-figure --example load_bench`. Figures are goals, never asserted.

use ritorno_core::force::{Setup, complete, elastic_levels, load_view};
use ritorno_core::mechanics::{Arm, ArmBody, Law, Person, Resolved, curve};
use ritorno_figure::{FigureSpec, figure_svg};
use std::hint::black_box;
use std::time::Instant;

fn time<T>(times: u32, mut work: impl FnMut() -> T) -> f64 {
    let begun = Instant::now();
    for _ in 0..times {
        black_box(work());
    }
    begun.elapsed().as_secs_f64() * 1e6 / f64::from(times)
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let exercise = known
        .exercises
        .get("diagonal-draw-out-and-up")
        .ok_or("no such exercise")?;
    let path = exercise.path();
    let arm = ArmBody::new(known.segment_table().ok_or("no table")?, Person::REFERENCE);
    let band = ritorno_core::mechanics::Band {
        anchor: ritorno_core::mechanics::Vec3::new(0.4, -1.4, -0.4),
        slack_m: 0.9,
        law: Law::ideal(20.0),
        strands: 1.0,
    };
    let load = Resolved {
        band: Some(band),
        ..Resolved::NONE
    };
    let points = time(4000, || {
        curve(&arm, exercise.attitude, &load, &path, 101, 2.0)
    });
    let levels = elastic_levels(&known, &[], "2026-11-24".parse()?);
    let open = Setup {
        mass_kg: 75.0,
        height_m: 1.75,
        weight_kg: None,
        level: None,
        distance_m: None,
        doubled: false,
    };
    let setup = complete(exercise, open).map_err(|f| format!("{f:?}"))?;
    let view = time(200, || load_view(&known, exercise, &path, setup, &levels));
    let figures = time(5, || {
        known
            .exercises
            .values()
            .map(|e| {
                figure_svg(&FigureSpec {
                    exercise: e,
                    path: e.path(),
                    arm: Arm::Right,
                    limited: false,
                    title: &e.id,
                })
                .len()
            })
            .sum::<usize>()
    });
    println!(
        "{points:.1} µs for 101 points with a band; the whole answer with both steps solved {:.2} ms",
        view / 1000.0
    );
    println!(
        "{:.0} ms for {} figures",
        figures / 1000.0,
        known.exercises.len()
    );
    Ok(())
}
