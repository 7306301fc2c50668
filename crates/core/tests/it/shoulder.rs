//! A made-up operated shoulder to ask questions about.

use chrono::{Days, NaiveDate};
use ritorno_core::admission::{NamedText, load};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::flags::{CauseState, FlagView};
use ritorno_core::knowledge::{Knowledge, Setting};
use ritorno_core::mechanics::Arm;
use ritorno_core::rules::{Choices, Rules};
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
        other_side: OtherSide::Sound,
        ..Story::begun(CUFF, Arm::Right, day0(), Start::Surgery)
    };
    let asked = known().red_flags.iter().filter(|f| f.asked);
    Facts {
        flag_answers: asked
            .map(|f| FlagAnswer {
                flag: f.id.clone(),
                answer: Answer::No,
                on: day0(),
                id: Uuid::now_v7(),
                about: Vec::new(),
                because: None,
            })
            .collect(),
        ..Facts::new(on(day), "1978-03-04".parse().expect("a date"), story)
    }
}

pub fn pass(facts: &mut Facts, gate: &str, day: i32) {
    facts.gate_passes.push(GatePass {
        gate: gate.into(),
        on: on(day),
        id: Uuid::now_v7(),
        overridden: Default::default(),
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
        remark: String::new(),
    });
}

pub fn limit(quantity: &str, ceiling: f64, until_day: Option<i32>) -> SurgeonLimit {
    SurgeonLimit {
        id: Uuid::now_v7(),
        quantity: quantity.into(),
        ceiling,
        floor: None,
        from: None,
        until_day,
        ask_again_day: None,
        release: None,
        ended_on: None,
    }
}

/// One flag as the page shows it.
pub fn flag_of(facts: &Facts, flag: &str) -> Option<FlagView> {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    assessment.flags.into_iter().find(|f| f.flag == flag)
}

/// The question of a flag is answered on a day.
pub fn reply(facts: &mut Facts, flag: &str, answer: Answer, day: i32) -> Uuid {
    let id = Uuid::now_v7();
    facts.flag_answers.push(FlagAnswer {
        id,
        flag: flag.into(),
        answer,
        on: on(day),
        about: Vec::new(),
        because: None,
    });
    id
}

/// A step that names the causes that are open now.
pub fn step(facts: &mut Facts, flag: &str, day: i32, kind: FlagStepKind) {
    let open = flag_of(facts, flag).expect("the flag").causes;
    let causes = open.into_iter().filter(|c| c.state != CauseState::Answered);
    facts.flag_steps.push(FlagStep {
        id: Uuid::now_v7(),
        flag: flag.into(),
        on: on(day),
        causes: causes.map(|c| c.key).collect(),
        kind,
    });
}

pub fn acted() -> FlagStepKind {
    FlagStepKind::Acted {
        action: Some("surgeon-called".into()),
        words: String::new(),
        told: "the surgeon on call".into(),
    }
}

pub fn answered(stands_until: Option<NaiveDate>) -> FlagStepKind {
    FlagStepKind::Answered {
        result: "seen, wound clean".into(),
        by: "surgeon".into(),
        resumes: "everything".into(),
        stands_until,
    }
}

/// Everything that is open about a flag is acted on and answered on a day.
pub fn answer_open(facts: &mut Facts, flag: &str, day: i32) {
    step(facts, flag, day, acted());
    step(facts, flag, day, answered(None));
}
