//! How far the reading holds in people it was not built on: `cargo run --release -p ritorno-core --example reading_held`.
//!
//! Prints a row of DESIGN's table for each condition: the slope of the truth on the shown log odds, and how often *likely* and
//! *unlikely* were right, in the kind world and the hard one. The people are in `tests/it/population.rs`.

#[path = "../tests/it/population.rs"]
mod population;

use population::{HARD, Held, KIND, World, judge};
use ritorno_core::facts::{Complaint, Facts, OtherSide, Start, Story};
use ritorno_core::knowledge::Setting;
use ritorno_core::mechanics::Arm;
use ritorno_core::reading::ReadingModel;

/// People of one story in each world.
const PEOPLE: usize = 1000;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let model = ReadingModel::new(&known);
    let today = "2027-03-01".parse()?;
    let story =
        |birth: &str, start, setting, complaint| -> Result<Facts, Box<dyn std::error::Error>> {
            let begun = Story::begun("no-operation", Arm::Right, "2027-02-20".parse()?, start);
            let story = Story {
                complaint: Some(complaint),
                other_side: OtherSide::Sound,
                setting,
                ..begun
            };
            Ok(Facts::new(today, birth.parse()?, story))
        };
    let stories = [
        story(
            "2003-05-12",
            Start::Injury,
            Setting::Specialist,
            Complaint::Slipping,
        )?,
        story(
            "1983-05-12",
            Start::Gradual,
            Setting::Primary,
            Complaint::Raising,
        )?,
        story(
            "1969-05-12",
            Start::Injury,
            Setting::Specialist,
            Complaint::Raising,
        )?,
        story(
            "1951-05-12",
            Start::Gradual,
            Setting::Specialist,
            Complaint::Raising,
        )?,
    ];
    let share = |(of, right): (usize, usize)| match of {
        0 => "none".to_owned(),
        _ => format!("{:.0} % of {of}", 100.0 * right as f64 / of as f64),
    };
    println!(
        "| condition | kind: slope | likely right | hard: slope | likely right | unlikely had it (kind, hard) |"
    );
    println!("|---|---|---|---|---|---|");
    let run = |id: &str, world: World| {
        let all = stories.iter().enumerate();
        all.map(|(i, facts)| judge(&known, &model, facts, id, (world, PEOPLE, i as u64 + 1)))
            .fold(Held::default(), Held::and)
    };
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
    Ok(())
}
