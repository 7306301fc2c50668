//! What is told beside the exercises: enough, not too much, and never what is not true of this shoulder.

use super::pathways::somebody;
use super::shoulder::known;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{ExamFact, ExamNote, Facts, Sheet, TryOutWord};
use ritorno_core::plan::{advice, may};
use ritorno_core::visit::untried;
use std::collections::BTreeSet;
use uuid::Uuid;

fn told(facts: &Facts) -> Vec<String> {
    let assessment = Assessment::new(known(), facts).expect("a pathway");
    advice(&assessment.ctx(), facts)
}

/// With a program that was built for it.
fn with_plan(pathway: &str, day: i32, passed: usize) -> Facts {
    let mut facts = somebody(pathway, day, passed);
    facts.lines = super::plans::plan(&facts).lines;
    facts
}

#[test]
fn every_advice_is_told_to_somebody_and_never_more_than_four_at_a_time() {
    let mut seen: BTreeSet<String> = BTreeSet::new();
    let most = known().threshold("advice-most") as usize;
    for pathway in known().pathways.values().filter(|p| !p.phases.is_empty()) {
        for (day, passed) in [
            (3, 0),
            (18, 0),
            (25, 1),
            (45, 1),
            (70, 2),
            (100, 3),
            (160, 4),
        ] {
            let mut facts = with_plan(&pathway.id, day, passed);
            let plain = told(&facts);
            assert!(plain.len() <= most, "{plain:?}");
            seen.extend(plain.clone());
            facts.story.health = vec!["anticoagulants".into()];
            let items = vec![Some(3.0); 11];
            facts.sheets.push(Sheet {
                id: Uuid::nil(),
                instrument: "tsk-11".into(),
                answers: items,
                on: facts.today,
            });
            let more = told(&facts);
            assert!(more.len() <= most);
            seen.extend(more);
            // What belongs to others is not told to this one.
            let rules = Assessment::new(known(), &facts).expect("a pathway");
            let sling = rules.ctx().rules.spoken(day).sling;
            assert!(sling || !plain.iter().any(|a| a == "sleep-in-sling"));
            assert!(
                !plain
                    .iter()
                    .any(|a| a == "pain-explained" || a == "no-massage")
            );
        }
    }
    let all: BTreeSet<String> = known().advice.iter().map(|a| a.id.clone()).collect();
    let never: Vec<&String> = all.difference(&seen).collect();
    assert!(never.is_empty(), "never told: {never:?}");
}

#[test]
fn fear_is_answered_where_it_was_measured() {
    let mut facts = somebody("subacromial-pain", 10, 0);
    let answered = |facts: &mut Facts, each: f64| {
        facts.sheets.push(Sheet {
            id: Uuid::now_v7(),
            instrument: "tsk-11".into(),
            answers: vec![Some(each); 11],
            on: facts.today,
        });
    };
    let explained = |facts: &Facts| told(facts).iter().any(|a| a == "pain-explained");
    assert!(!explained(&facts));
    answered(&mut facts, 3.0);
    assert!(explained(&facts), "33 of 44");
    answered(&mut facts, 2.0);
    assert!(!explained(&facts), "the last answers count: 22 of 44");
}

#[test]
fn what_may_be_done_comes_with_the_end_of_the_last_precaution() {
    let facts = somebody("cuff-repair-small-medium", 20, 0);
    let assessment = Assessment::new(known(), &facts).expect("a pathway");
    let all = may(&assessment.ctx());
    let of = |id: &str| all.iter().find(|m| m.id == id).map(|m| m.from_day);
    // Six weeks without driving, as the pathway's row says; four in the sling by day and night.
    assert_eq!(of("drive"), Some(42));
    let rules = assessment.ctx().rules;
    for m in &all {
        let row = known().may.iter().find(|r| r.id == m.id).expect("a row");
        let ends = rules
            .precautions
            .iter()
            .filter(|p| row.until.contains(&p.id));
        let last = ends.map(|p| p.until_day).max().unwrap_or(0);
        assert!(m.from_day >= last && m.from_day > 20, "{}", m.id);
    }
    // A bath three weeks after the operation, desk work when the sling is off by day, swimming with the door to loads overhead.
    assert_eq!((of("bath"), of("type-with-both")), (Some(21), Some(28)));
    let door = rules.class("resisted-elevation-above-shoulder");
    assert!(of("swim") >= door.map(|d| d.opens_day), "{:?}", of("swim"));
    // What no precaution keeps back any more is not promised either: gates and limits still hold.
    let late = somebody("cuff-repair-small-medium", 43, 1);
    let assessment = Assessment::new(known(), &late).expect("a pathway");
    assert!(
        may(&assessment.ctx())
            .iter()
            .all(|m| m.id != "drive" && m.from_day > 43)
    );
    // Nothing is promised where the pathway says nothing about it.
    let stiff = somebody("frozen-shoulder", 20, 0);
    let assessment = Assessment::new(known(), &stiff).expect("a pathway");
    assert!(may(&assessment.ctx()).is_empty());
}

#[test]
fn what_was_felt_in_the_wrong_place_is_tried_once_more() {
    let mut facts = with_plan("subacromial-pain", 3, 0);
    let left = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("a pathway");
        untried(&assessment.ctx(), facts)
    };
    let first = left(&facts).first().expect("something new").clone();
    let went = |facts: &mut Facts, went: TryOutWord| {
        facts.exam_notes.push(ExamNote {
            id: Uuid::now_v7(),
            on: facts.today,
            fact: ExamFact::TryOut {
                exercise: first.clone(),
                went,
            },
        });
        left(facts).contains(&first)
    };
    assert!(
        went(&mut facts, TryOutWord::Elsewhere),
        "reset and once more"
    );
    assert!(!went(&mut facts, TryOutWord::Faults), "then it goes home");
    assert!(
        !went(&mut facts, TryOutWord::Eases),
        "an ache that falls too"
    );
    assert!(
        went(&mut facts, TryOutWord::Elsewhere),
        "the last try counts"
    );
}

#[test]
fn the_painful_movement_is_asked_again_after_the_first_set_as_the_school_says() {
    use ritorno_core::knowledge::Found;
    use ritorno_core::visit::visit_view;
    let mut facts = with_plan("subacromial-pain", 3, 0);
    let asked = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("a pathway");
        visit_view(&assessment).retest
    };
    assert_eq!(
        asked(&facts).expect("the first visit").sign,
        None,
        "nothing was examined: the person shows it"
    );
    crate::examined::find(
        &mut facts,
        "painful-arc",
        crate::examined::word(Found::Familiar),
    );
    crate::examined::find(&mut facts, "neer", crate::examined::word(Found::Nothing));
    assert_eq!(
        asked(&facts).expect("still").sign.as_deref(),
        Some("painful-arc"),
        "the newest that hurt"
    );
    facts.exam_notes.push(ExamNote {
        id: Uuid::nil(),
        on: facts.today,
        fact: ExamFact::Response {
            sign: "painful arc".into(),
            dose: "a set".into(),
            before: 6.0,
            after: 3.0,
        },
    });
    let kept = asked(&facts).expect("still").today;
    assert_eq!(kept.first().map(|r| r.word), Some(Found::Better));
    // The last exercise is tried out before the movement is shown again: the question stays for the day.
    let mut tried = facts.clone();
    for line in facts.lines.clone() {
        tried.exam_notes.push(ExamNote {
            id: Uuid::nil(),
            on: facts.today,
            fact: ExamFact::TryOut {
                exercise: line.exercise,
                went: TryOutWord::Clean,
            },
        });
    }
    let assessment = Assessment::new(known(), &tried).expect("a pathway");
    let seen = visit_view(&assessment);
    assert!(seen.untried.is_empty() && seen.retest.is_some());
    // While something heals nobody looks for a movement that hurts.
    assert_eq!(asked(&with_plan("cuff-repair-small-medium", 20, 0)), None);
    // Later only where the school wants it each time.
    facts.exam_notes.push(ExamNote {
        id: Uuid::nil(),
        on: facts.today - chrono::Days::new(2),
        fact: ExamFact::TryOut {
            exercise: "pendulum-circles".into(),
            went: TryOutWord::Clean,
        },
    });
    assert_eq!(asked(&facts), None);
    for (school, there) in [("retest-each", true), ("retest-none", false)] {
        let schools = &mut facts.story.schools;
        schools.insert("retest".into(), school.into());
        assert_eq!(asked(&facts).is_some(), there, "{school}");
    }
}

#[test]
fn what_is_seen_while_the_arm_goes_up_is_told_and_says_nothing_of_what_it_is() {
    use ritorno_core::knowledge::Found;
    let mut facts = crate::examined::sore();
    let before = crate::examined::view(&facts);
    for (test, found) in [
        ("raising-head-nods", Found::Obvious),
        ("raising-blades-bunch", Found::Normal),
        ("hanging-gap", Found::Subtle),
    ] {
        crate::examined::find(&mut facts, test, crate::examined::word(found));
    }
    let after = crate::examined::view(&facts);
    let seen: Vec<&str> = after
        .worked_out
        .iter()
        .filter(|w| w.score == "raising-sign")
        .map(|w| w.reason.rule.as_str())
        .collect();
    assert_eq!(seen, ["sign-head-nods", "sign-hanging-gap"]);
    assert_eq!(after.hypotheses, before.hypotheses);
}
