//! Times building and checking one program: `./bench` runs it in release.

use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{Answer, Clearance, Facts, FlagAnswer, GatePass, Start, Story};
use ritorno_core::mechanics::Arm;
use ritorno_core::safety::check_line;
use std::time::Instant;
use uuid::Uuid;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let day0 = "2027-01-22".parse()?;
    let story = Story {
        clearance: Some(Clearance {
            role: "surgeon".into(),
            on: day0,
        }),
        kit: "bed table cloth stick towel wall ball pulley elastic weight"
            .split(' ')
            .map(str::to_owned)
            .collect(),
        other_side: ritorno_core::facts::OtherSide::Sound,
        ..Story::begun("cuff-repair-small-medium", Arm::Right, day0, Start::Surgery)
    };
    let asked = known.red_flags.iter();
    let facts = Facts {
        flag_answers: asked
            .map(|f| FlagAnswer {
                flag: f.id.clone(),
                answer: Answer::No,
                on: day0,
                id: Uuid::now_v7(),
                about: Vec::new(),
                because: None,
            })
            .collect(),
        gate_passes: vec![GatePass {
            gate: "to-protected-passive".into(),
            on: day0,
            id: Uuid::now_v7(),
            overridden: Default::default(),
        }],
        ..Facts::new("2027-03-01".parse()?, "1979-05-12".parse()?, story)
    };
    let mut times = Vec::new();
    let mut lines = 0;
    for _ in 0..60 {
        let start = Instant::now();
        let assessment = Assessment::new(&known, &facts).ok_or("unknown pathway")?;
        let ctx = assessment.ctx();
        let plan = assessment.propose(Uuid::nil());
        lines = plan
            .lines
            .iter()
            .map(|line| check_line(&ctx, line))
            .filter(|verdict| verdict.findings.len() < 99)
            .count();
        times.push(start.elapsed().as_secs_f64() * 1000.0);
    }
    times.sort_by(f64::total_cmp);
    println!(
        "build and check of {lines} lines: median {:.2} ms, slowest {:.2} ms of {}",
        times[30],
        times[59],
        times.len()
    );
    Ok(())
}
