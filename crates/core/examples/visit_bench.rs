//! Times one visit page after two weeks and after two years of daily entries: `./bench` runs it in release.

use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{
    Answer, Clearance, Facts, FlagAnswer, GatePass, Line, LogEntry, LogFact, Start, Story,
};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::lanes::lane;
use ritorno_core::mechanics::Arm;
use ritorno_core::visit::visit_view;
use std::time::Instant;
use uuid::Uuid;

const TIMES: usize = 30;
const LINES: usize = 8;

/// A painful shoulder in its second phase about which three answers an exercise were written down every day.
fn after(known: &Knowledge, days: u64) -> Result<Facts, Box<dyn std::error::Error>> {
    let day0: chrono::NaiveDate = "2027-01-22".parse()?;
    let today = day0 + chrono::Days::new(days);
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
        ..Story::begun("subacromial-pain", Arm::Right, day0, Start::Gradual)
    };
    let mut facts = Facts {
        flag_answers: (known.red_flags.iter())
            .map(|f| FlagAnswer {
                flag: f.id.clone(),
                answer: Answer::No,
                on: today,
                id: Uuid::now_v7(),
                about: Vec::new(),
                because: None,
            })
            .collect(),
        ..Facts::new(today, "1979-05-12".parse()?, story)
    };
    let pathway = &known.pathways["subacromial-pain"];
    facts.gate_passes = (pathway.gates.iter())
        .take(1)
        .map(|gate| GatePass {
            gate: gate.id.clone(),
            on: day0,
            id: Uuid::now_v7(),
            overridden: Default::default(),
        })
        .collect();
    let ids: Vec<String> = (pathway.phases.iter().take(2))
        .flat_map(|p| p.exercises.clone())
        .take(LINES)
        .collect();
    facts.lines = (ids.iter())
        .map(|id| Line {
            id: Uuid::now_v7(),
            exercise: id.clone(),
            from_day: 0,
            to_day: 2000,
            dose: known.exercises[id].dose,
            override_reason: None,
            by_hand: true,
        })
        .collect();
    for ago in (0..days).rev() {
        let on = today - chrono::Days::new(ago);
        for line in &facts.lines {
            let told = [
                LogFact::Done {
                    sessions: line.dose.times_per_day,
                    repetitions: line.dose.repetitions,
                },
                LogFact::PainDuring { value: 2.0 },
                LogFact::PainNextMorning { value: 1.0 },
            ];
            facts.log.extend(told.into_iter().map(|fact| LogEntry {
                id: Uuid::now_v7(),
                exercise: Some(line.exercise.clone()),
                on,
                fact,
                remark: String::new(),
            }));
        }
    }
    Ok(facts)
}

fn median_ms(known: &Knowledge, facts: &Facts) -> Result<(f64, f64), Box<dyn std::error::Error>> {
    let (mut page, mut followed) = (Vec::new(), Vec::new());
    for _ in 0..TIMES {
        let start = Instant::now();
        let assessment = Assessment::new(known, facts).ok_or("unknown pathway")?;
        let view = visit_view(&assessment);
        page.push(start.elapsed().as_secs_f64() * 1000.0);
        assert!(view.decisions.len() >= LINES / 2, "too little runs");
        let start = Instant::now();
        let assessment = Assessment::new(known, facts).ok_or("unknown pathway")?;
        let _ = lane(&assessment);
        followed.push(start.elapsed().as_secs_f64() * 1000.0);
    }
    page.sort_by(f64::total_cmp);
    followed.sort_by(f64::total_cmp);
    Ok((page[TIMES / 2], followed[TIMES / 2]))
}

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    let (short, short_lane) = median_ms(&known, &after(&known, 14)?)?;
    let (long, long_lane) = median_ms(&known, &after(&known, 730)?)?;
    println!(
        "{short:.1} ms after 14 days, {long:.1} ms after 730: {:.2} ×; its lane {short_lane:.1} and {long_lane:.1} ms",
        long / short
    );
    Ok(())
}
