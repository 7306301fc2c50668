//! A made-up operated shoulder to ask questions about.

use chrono::{Days, NaiveDate};
use ritorno_core::episode::*;
use ritorno_core::knowledge::{Knowledge, NamedText, Setting, load};
use ritorno_core::mechanics::Arm;
use ritorno_core::program::{Choices, Rules};
use std::sync::OnceLock;
use uuid::Uuid;

pub const CUFF: &str = "cuff-repair-small-medium";

pub fn files() -> Vec<NamedText> {
    ritorno_shelf::texts(&ritorno_shelf::shipped()).expect("knowledge folder")
}

pub fn known() -> &'static Knowledge {
    static KNOWN: OnceLock<Knowledge> = OnceLock::new();
    KNOWN.get_or_init(|| load(&files()).unwrap_or_else(|faults| panic!("{faults:#?}")))
}

/// The rules of a pathway without choices.
pub fn rules(pathway: &str) -> Rules {
    Rules::new(known(), &known().pathways[pathway], &Choices::default())
}

pub fn day0() -> NaiveDate {
    "2026-10-16".parse().expect("a date")
}

pub fn on(day: i32) -> NaiveDate {
    day0() + Days::new(u64::try_from(day).expect("a day after surgery"))
}

/// Cleared, every flag asked, everything at hand, no measurement yet.
pub fn shoulder(day: i32) -> Facts {
    let story = Story {
        setting: Setting::Specialist,
        mechanism: "lifting a truss".into(),
        work: "stage rigger".into(),
        clearance: Some(Clearance {
            role: "surgeon".into(),
            on: day0(),
        }),
        sling_worn: Some(true),
        kit: "bed table cloth stick towel wall ball pulley elastic weight"
            .split(' ')
            .map(str::to_owned)
            .collect(),
        ..Story::begun(CUFF, Arm::Right, day0(), Start::Surgery)
    };
    let asked = known().red_flags.iter().filter(|f| f.asked);
    Facts {
        flag_answers: asked
            .map(|f| FlagAnswer {
                flag: f.id.clone(),
                answer: Answer::No,
                on: day0(),
                confirmed: false,
            })
            .collect(),
        ..Facts::new(on(day), "1978-03-04".parse().expect("a date"), story)
    }
}

pub fn pass(facts: &mut Facts, gate: &str, day: i32) {
    facts.gate_passes.push(GatePass {
        gate: gate.into(),
        on: on(day),
        overridden: vec![],
        reason: String::new(),
    });
}

pub fn read(facts: &mut Facts, quantity: &str, value: f64, day: i32, stop: StopReason) {
    let side = facts.story.side;
    facts.measurements.push(Measurement {
        id: Uuid::now_v7(),
        quantity: quantity.into(),
        side,
        value,
        stop,
        by: TakenBy::Clinician,
        on: on(day),
        arc: None,
        method: None,
        rater: None,
    });
}

pub fn limit(quantity: &str, ceiling: f64, until_day: Option<i32>) -> SurgeonLimit {
    SurgeonLimit {
        id: Uuid::now_v7(),
        quantity: quantity.into(),
        ceiling,
        floor: None,
        until_day,
        release: None,
        ended_on: None,
    }
}
