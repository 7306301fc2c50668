//! How far the reading holds in people it was not built on: `cargo run --release -p ritorno-core --example reading_held`.
//!
//! Prints a row of DESIGN's table for each condition: the slope of the truth on the shown log odds, and how often *likely* and
//! *unlikely* were right, in the kind world and the hard one. The people are in `tests/it/population.rs`. Then every published
//! cluster against the model.

#![allow(clippy::expect_used)] // the made-up people are test code: what cannot be says so and ends

#[path = "../tests/it/clusters.rs"]
mod clusters;
#[path = "../tests/it/population.rs"]
mod population;

use population::{HARD, Held, KIND, World, judge_all};
use ritorno_core::reading::ReadingModel;

/// People of one story in each world.
const PEOPLE: usize = 1000;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let model = ReadingModel::new(&known);
    let share = |(of, right): (usize, usize)| match of {
        0 => "none".to_owned(),
        _ => format!("{:.0} % of {of}", 100.0 * right as f64 / of as f64),
    };
    println!(
        "| condition | kind: slope | likely right | hard: slope | likely right | unlikely had it (kind, hard) |"
    );
    println!("|---|---|---|---|---|---|");
    let run = |id: &str, world: World| judge_all(&known, &model, id, (world, PEOPLE, 1));
    let line = |name: &str, kind: &Held, hard: &Held| {
        println!(
            "| {name} | {:.2} | {} | {:.2} | {} | {}, {} |",
            kind.slope(),
            share(kind.likely),
            hard.slope(),
            share(hard.likely),
            share(kind.unlikely),
            share(hard.unlikely)
        );
    };
    let (mut kind, mut hard) = (Held::default(), Held::default());
    for hypothesis in &known.hypotheses {
        let (k, h) = std::thread::scope(|scope| {
            let kind = scope.spawn(|| run(&hypothesis.id, KIND));
            (kind.join(), run(&hypothesis.id, HARD))
        });
        let k = k.map_err(|_| "the kind world failed")?;
        line(&hypothesis.id, &k, &h);
        (kind, hard) = (kind.and(k), hard.and(h));
    }
    line("all", &kind, &hard);
    println!(
        "\n| condition | tests | positive | published | model, shares of that study | model, all studies | fitted | source |"
    );
    println!("|---|---|---|---|---|---|---|---|");
    for c in clusters::against(&known) {
        println!(
            "| {} | {} | {} | {} | {:.2} | × {} | {:.2} | {} | {} |",
            c.hypothesis,
            c.tests.join(", "),
            c.positive,
            c.published,
            c.own,
            c.factor,
            c.pooled,
            if c.fitted { "yes" } else { "no" },
            c.source
        );
    }
    Ok(())
}
