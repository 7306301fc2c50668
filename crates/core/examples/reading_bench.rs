//! Times the reading: `./bench` runs it in release. Prints one line a goal.

use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;
use ritorno_core::mechanics::Arm;
use ritorno_core::reading::{
    IrritabilityView, ReadingModel, irritability, plan, read, read_hypothesis, weigh,
};
use std::time::{Duration, Instant};
use uuid::Uuid;

fn median(mut times: Vec<Duration>) -> f64 {
    times.sort_unstable();
    times[times.len() / 2].as_secs_f64() * 1000.0
}

fn time<T>(rounds: usize, mut work: impl FnMut() -> T) -> f64 {
    median(
        (0..rounds)
            .map(|_| {
                let start = Instant::now();
                std::hint::black_box(work());
                start.elapsed()
            })
            .collect(),
    )
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let start = Instant::now();
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let loaded = start.elapsed();
    let start = Instant::now();
    let model = ReadingModel::new(&known);
    let built = start.elapsed();
    let today = "2027-03-01".parse()?;
    let begun = Story::begun(
        "no-operation",
        Arm::Right,
        "2027-02-20".parse()?,
        Start::Gradual,
    );
    let story = Story {
        complaint: Some(Complaint::Raising),
        other_side: ritorno_core::facts::OtherSide::Sound,
        ..begun
    };
    let measurement = |quantity: &str, value: f64| Measurement {
        id: Uuid::nil(),
        quantity: quantity.into(),
        side: Arm::Right,
        value,
        stop: StopReason::Stiff,
        by: TakenBy::Clinician,
        on: today,
        arc: None,
        method: None,
        rater: None,
        remark: String::new(),
    };
    let words = [
        ("painful-arc", Found::Familiar),
        ("hawkins-kennedy", Found::Familiar),
        ("neer", Found::Familiar),
        ("resisted-er", Found::StrongPainful),
        ("empty-can", Found::StrongPainful),
        ("full-can", Found::StrongPainless),
        ("drop-arm", Found::No),
        ("cross-body-adduction", Found::OtherPain),
        ("belly-press", Found::No),
        ("bear-hug", Found::No),
        ("speed", Found::Nothing),
        ("spurling", Found::Nothing),
    ];
    let finding = |(test, found): &(&str, Found)| TestFinding {
        id: Uuid::nil(),
        test: (*test).into(),
        side: Arm::Right,
        answer: TestAnswer::Word { found: *found },
        variant: None,
        on: today,
        rater: Uuid::nil(),
        remark: String::new(),
    };
    let ranges = [
        ("active-elevation-upright", 160.0),
        ("active-er-side", 60.0),
        ("active-er-90", 90.0),
        ("hand-behind-back", 6.0),
    ];
    let facts = Facts {
        measurements: ranges
            .iter()
            .map(|(quantity, value)| measurement(quantity, *value))
            .collect(),
        findings: words.iter().map(finding).collect(),
        ..Facts::new(today, "1979-05-12".parse()?, story)
    };
    let assessment = Assessment::new(&known, &facts).ok_or("no pathway")?;
    let ctx = assessment.ctx();
    let weighed = weigh(&ctx, &facts, Arm::Right);
    let view = read(&assessment, &model);
    let hypothesis = known
        .hypothesis("subacromial-pain")
        .ok_or("no hypothesis")?;
    let group = model.groups("subacromial-pain").first().ok_or("no group")?;
    let answers: Vec<Option<bool>> = group
        .tests
        .iter()
        .map(|t| {
            words
                .iter()
                .find(|(w, _)| w == t)
                .map(|(_, f)| matches!(f, Found::Familiar | Found::StrongPainful))
        })
        .collect();
    let point = time(400, || group.log_ratio(&answers));
    let interval = time(100, || {
        read_hypothesis(&known, &model, hypothesis, &facts, &weighed)
    });
    let IrritabilityView { level, .. } = irritability(&ctx, &facts);
    let ordered = time(60, || {
        plan(&ctx, &model, &facts, &weighed, &view.hypotheses, level)
    });
    let whole = time(40, || read(&assessment, &model));
    println!("{point:.4} ms for a group of {} tests", group.tests.len());
    println!(
        "{interval:.2} ms for {} tests, {} draws",
        answers.iter().flatten().count(),
        ritorno_core::reading::DRAWS
    );
    println!(
        "{:.0} ms (tables and draws {:.0} ms, knowledge {:.0} ms); a whole reading of 12 findings {whole:.1} ms",
        (loaded + built).as_secs_f64() * 1000.0 + whole,
        built.as_secs_f64() * 1000.0,
        loaded.as_secs_f64() * 1000.0
    );
    println!("{ordered:.2} ms for {} tests", view.plan.len());
    Ok(())
}
