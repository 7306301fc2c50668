//! A made-up shoulder without an operation, and how it is examined and read.

use crate::shoulder::{known, shoulder};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;
use ritorno_core::reading::*;
use std::sync::OnceLock;
use uuid::Uuid;

pub fn model() -> &'static ReadingModel {
    static MODEL: OnceLock<ReadingModel> = OnceLock::new();
    MODEL.get_or_init(|| ReadingModel::new(known()))
}

/// A shoulder that came by itself, 48 years old, everything asked, full range on record.
pub fn sore() -> Facts {
    let mut facts = shoulder(3);
    facts.story = Story {
        pathway: "no-operation".into(),
        start: Start::Gradual,
        clearance: None,
        complaint: Some(Complaint::Raising),
        mechanism: String::new(),
        ..facts.story
    };
    for (quantity, value) in [
        ("passive-elevation", 165.0),
        ("passive-er-side", 60.0),
        ("passive-er-90", 90.0),
        ("hand-behind-back", 6.0),
        ("active-elevation-upright", 160.0),
    ] {
        measure(&mut facts, quantity, value, StopReason::Stiff);
    }
    facts
}

/// A measurement of today.
pub fn measure(facts: &mut Facts, quantity: &str, value: f64, stop: StopReason) {
    let day = facts.day();
    crate::shoulder::read(facts, quantity, value, day, stop);
}

pub fn find(facts: &mut Facts, test: &str, answer: TestAnswer) {
    let finding = TestFinding {
        id: Uuid::now_v7(),
        test: test.into(),
        side: facts.story.side,
        answer,
        variant: None,
        on: facts.today,
        rater: Uuid::nil(),
        remark: String::new(),
    };
    assert_eq!(
        answer_fault(known(), test, answer),
        None,
        "{test} cannot be answered so"
    );
    facts.findings.push(finding);
}

pub fn word(found: Found) -> TestAnswer {
    TestAnswer::Word { found }
}

pub fn view(facts: &Facts) -> ReadView {
    read(
        &Assessment::new(known(), facts).expect("a known pathway"),
        model(),
    )
}

pub fn of<'a>(view: &'a ReadView, hypothesis: &str) -> &'a HypothesisView {
    view.hypotheses
        .iter()
        .find(|h| h.hypothesis == hypothesis)
        .unwrap_or_else(|| panic!("no {hypothesis}"))
}
