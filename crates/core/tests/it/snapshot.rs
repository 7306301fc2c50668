//! What was signed stays readable for ever: one golden file a kind and version, made by `RITORNO_GOLDEN=write cargo test`.

use super::plans::plan;
use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::decide;
use ritorno_core::facts::{Facts, StopReason};
use ritorno_core::plan::plan_chart;
use ritorno_core::snapshot::{
    DecisionV1, Kind, ProgramV1, VisitV1, read_decision, read_program, read_visit,
};
use ritorno_core::visit::visit_view;
use serde::Serialize;
use serde_json::Value;
use uuid::Uuid;

fn golden(kind: &str, version: i32) -> std::path::PathBuf {
    std::path::Path::new(env!("CARGO_MANIFEST_DIR"))
        .join(format!("tests/golden/{kind}-v{version}.json"))
}

fn signed() -> Facts {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.limits = vec![limit("passive-elevation", 110.0, Some(42))];
    facts.limits[0].id = Uuid::nil();
    read(
        &mut facts,
        "passive-elevation",
        101.0,
        37,
        StopReason::Stiff,
    );
    facts.lines = plan(&facts).lines;
    for (place, line) in facts.lines.iter_mut().enumerate() {
        line.id = Uuid::from_u128(place as u128 + 1);
    }
    facts
}

fn today(facts: &Facts) -> (ProgramV1, VisitV1, DecisionV1) {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    let ctx = assessment.ctx();
    let chart = plan_chart(&ctx, facts);
    (
        ProgramV1::of(3, 2, &facts.story.pathway, &facts.limits, &chart),
        VisitV1::from(&visit_view(&assessment)),
        DecisionV1::from(decide(&ctx, facts).first().expect("a decision")),
    )
}

fn body(kind: &str, version: i32) -> Value {
    let text = std::fs::read_to_string(golden(kind, version)).expect("a golden file a version");
    serde_json::from_str(&text).expect("json")
}

fn write(kind: &str, of: Kind, value: &impl Serialize) {
    let text = serde_json::to_string_pretty(value).expect("json");
    std::fs::write(golden(kind, of.version()), text).expect("written");
}

#[test]
fn every_version_ever_written_is_read() {
    if std::env::var("RITORNO_GOLDEN").as_deref() == Ok("write") {
        let (program, visit, decision) = today(&signed());
        write("program", Kind::Program, &program);
        write("visit", Kind::Visit, &visit);
        write("decision", Kind::Decision, &decision);
    }
    for version in 1..=Kind::Program.version() {
        let kept = read_program(version, body("program", version)).expect("readable");
        assert_eq!(
            (kept.rev, kept.story_rev, kept.day, kept.limits[0].ceiling),
            (3, 2, 38, 110.0)
        );
        assert!(kept.lines.len() > 15 && kept.gates.len() == 5);
        assert_eq!(kept.corridors[0].measured[0].value, 101.0);
    }
    for version in 1..=Kind::Visit.version() {
        let kept = read_visit(version, body("visit", version)).expect("readable");
        assert_eq!(kept.day, 38);
        assert!(!kept.limits.is_empty() && !kept.precautions.is_empty());
    }
    for version in 1..=Kind::Decision.version() {
        let kept = read_decision(version, body("decision", version)).expect("readable");
        assert!(!kept.rule.rule.is_empty() && !kept.patient.rule.is_empty());
    }
}

#[test]
fn what_is_written_today_reads_back_as_it_was_and_the_future_is_refused() {
    let (program, visit, decision) = today(&signed());
    let body = json(&program);
    assert_eq!(read_program(1, body.clone()).expect("reads"), program);
    assert_eq!(read_visit(1, json(&visit)).expect("reads"), visit);
    assert_eq!(read_decision(1, json(&decision)).expect("reads"), decision);
    assert!(read_program(Kind::Program.version() + 1, body).is_err());
    assert!(read_program(1, serde_json::json!({ "rev": 1 })).is_err());
}

fn json(value: &impl Serialize) -> Value {
    serde_json::to_value(value).expect("json")
}
