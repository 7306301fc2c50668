//! Limits have a beginning; a measurement is judged by what held and was known on its own date, for ever.

use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Unit;
use ritorno_core::mechanics::Arm;
use ritorno_core::ranges::{
    calls, is_due, judge, judge_anew, measurement_view, open_breach, protection,
};
use ritorno_core::reason::Arg;
use ritorno_core::rules::Ceiling;
use uuid::Uuid;

fn dated(quantity: &str, ceiling: f64, from: i32) -> SurgeonLimit {
    SurgeonLimit {
        from: Some(on(from)),
        ..limit(quantity, ceiling, None)
    }
}

fn released(quantity: &str, ceiling: f64, from: i32) -> SurgeonLimit {
    SurgeonLimit {
        release: Some(Release {
            role: "surgeon".into(),
            on: on(from),
        }),
        ..limit(quantity, ceiling, None)
    }
}

/// Everything becomes known in the order in which it is put on record here.
fn learn(facts: &mut Facts, id: Uuid) {
    let next = facts.order.len() as i64 + 1;
    facts.order.insert(id, next);
}

fn measure(facts: &mut Facts, value: f64, day: i32) -> Uuid {
    read(facts, "passive-elevation", value, day, StopReason::Stiff);
    let id = facts.measurements.last().expect("one").id;
    learn(facts, id);
    facts.measurements.sort_by_key(|m| m.on);
    id
}

fn write(facts: &mut Facts, limit: SurgeonLimit) {
    learn(facts, limit.id);
    facts.limits.push(limit);
}

fn over(facts: &Facts, id: Uuid) -> bool {
    let assessment = Assessment::new(known(), facts).expect("known");
    let m = facts.measurements.iter().find(|m| m.id == id).expect("it");
    judge(&assessment.ctx(), facts, m).over
}

#[test]
fn a_release_excuses_nothing_and_a_late_limit_makes_no_breach() {
    let mut facts = shoulder(40);
    write(&mut facts, dated("passive-elevation", 90.0, 10));
    let breach = measure(&mut facts, 97.0, 24);
    assert!(over(&facts, breach));
    let assessment = Assessment::new(known(), &facts).expect("known");
    let told = open_breach(&assessment.ctx(), &facts, "passive-elevation").expect("open");
    let arg = |name: &str| told.reason.args.get(name).cloned();
    assert_eq!(arg("amount"), Some(Arg::Number(7.0)));
    assert_eq!(arg("ceiling"), Some(Arg::Number(90.0)));
    assert_eq!(arg("day"), Some(Arg::Number(24.0)));
    assert_eq!(arg("whose"), Some(Arg::Text("ceiling-surgeon".into())));
    assert_eq!(
        arg("inside"),
        Some(Arg::Text("yes".into())),
        "still a breach"
    );
    assert!(!told.surgeon, "inside the error: measured again first");
    let q = known().quantity("passive-elevation").expect("it");
    assert!(is_due(&assessment.ctx(), &facts, q), "it is measured today");
    // Released on day 30: that day and later, never day 24.
    write(&mut facts, released("passive-elevation", 120.0, 30));
    assert!(over(&facts, breach), "today's release excuses none");
    let assessment = Assessment::new(known(), &facts).expect("known");
    let at = |day: i32| protection(&assessment.ctx(), "passive-elevation", day, day).ceiling;
    assert_eq!(at(29), Ceiling::UpTo { value: 90.0 });
    assert_eq!(at(30), Ceiling::UpTo { value: 120.0 });
    // It closes by a clinician's own inside the ceiling, not by the patient's.
    measure(&mut facts, 100.0, 33);
    facts.measurements.last_mut().expect("one").by = TakenBy::Patient;
    let assessment = Assessment::new(known(), &facts).expect("known");
    assert!(open_breach(&assessment.ctx(), &facts, "passive-elevation").is_some());
    measure(&mut facts, 104.0, 34);
    let assessment = Assessment::new(known(), &facts).expect("known");
    assert!(open_breach(&assessment.ctx(), &facts, "passive-elevation").is_none());
    assert!(over(&facts, breach), "and stays what it was");
    // A tighter limit that held on day 34 and was told on day 40.
    write(&mut facts, dated("passive-elevation", 80.0, 32));
    let late = facts.measurements.last().expect("one").clone();
    assert!(!over(&facts, late.id), "no breach");
    let assessment = Assessment::new(known(), &facts).expect("known");
    let view = measurement_view(&assessment.ctx(), &facts, &late);
    assert!(
        view.not_known_then.is_some() && !view.usable(),
        "and nothing rests on it"
    );
    assert!(is_due(&assessment.ctx(), &facts, q));
    let spoken = calls(&assessment.ctx(), &facts, "passive-elevation");
    assert!(spoken.iter().any(|r| r.rule == "limit-not-known-then"));
}

#[test]
fn beyond_the_error_or_twice_the_surgeon_is_asked_and_answers() {
    let breach = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        open_breach(&assessment.ctx(), facts, "passive-elevation")
    };
    let mut facts = shoulder(40);
    write(&mut facts, dated("passive-elevation", 90.0, 10));
    measure(&mut facts, 112.0, 39);
    assert!(breach(&facts).expect("open").surgeon, "beyond the error");
    let mut twice = shoulder(40);
    write(&mut twice, dated("passive-elevation", 90.0, 10));
    measure(&mut twice, 93.0, 38);
    let second = measure(&mut twice, 94.0, 39);
    let told = breach(&twice).expect("open");
    assert_eq!((told.count, told.surgeon), (2, true));
    for m in twice.measurements.clone() {
        twice.breach_answers.push(BreachAnswer {
            id: Uuid::now_v7(),
            measurement: m.id,
            on: on(40),
            role: "surgeon".into(),
            words: "fine up to 95".into(),
        });
    }
    assert!(breach(&twice).is_none() && over(&twice, second));
}

#[test]
fn once_and_within_the_error_is_not_asked_of_the_surgeon_and_a_degree_more_is() {
    for quantity in known().quantities.iter().filter(|q| q.unit == Unit::Deg) {
        let asked = |above: f64| {
            let mut facts = shoulder(100);
            write(&mut facts, dated(&quantity.id, 20.0, 10));
            read(
                &mut facts,
                &quantity.id,
                20.0 + above,
                99,
                StopReason::Stiff,
            );
            let id = facts.measurements[0].id;
            learn(&mut facts, id);
            let assessment = Assessment::new(known(), &facts).expect("known");
            open_breach(&assessment.ctx(), &facts, &quantity.id).map(|b| b.surgeon)
        };
        let id = &quantity.id;
        assert_eq!(asked(0.0), None, "{id} at the limit");
        assert_eq!(asked(0.5), Some(false), "{id} half a degree above it");
        assert_eq!(asked(quantity.error), Some(false), "{id} by its error");
        assert_eq!(
            asked(quantity.error + 1.0),
            Some(true),
            "{id} beyond its error"
        );
    }
}

#[test]
fn a_stored_verdict_outlives_pathway_and_knowledge() {
    let mut facts = shoulder(20);
    facts.story.pathway = "unspecified".into();
    facts.story.start = Start::Gradual;
    let pathway = known()
        .pathways
        .keys()
        .find(|id| known().pathways[*id].phases.is_empty());
    facts.story.pathway = pathway.expect("one without phases").clone();
    let id = measure(&mut facts, 170.0, 5);
    let assessment = Assessment::new(known(), &facts).expect("known");
    let verdict = judge(&assessment.ctx(), &facts, &facts.measurements[0]);
    assert!(!verdict.over);
    facts.verdicts.push(verdict);
    facts.story.pathway = CUFF.into();
    facts.story.start = Start::Surgery;
    assert!(
        !over(&facts, id),
        "choosing a pathway makes no breach of it"
    );
    let assessment = Assessment::new(known(), &facts).expect("known");
    assert!(
        judge_anew(&assessment.ctx(), &facts, &facts.measurements[0]).over,
        "it would be one today"
    );
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(96))]
    /// Later events never change the verdict on an earlier measurement.
    #[test]
    fn later_events_change_no_verdict(
        value in 40.0f64..170.0,
        taken in 5i32..40,
        later in prop::collection::vec((0usize..4, 30.0f64..170.0, 1i32..60), 1..8),
    ) {
        let mut facts = shoulder(60);
        write(&mut facts, dated("passive-elevation", 90.0, 10));
        let id = measure(&mut facts, value, taken);
        let before = over(&facts, id);
        for (what, number, day) in later {
            match what {
                0 => write(&mut facts, dated("passive-elevation", number, day)),
                1 => write(&mut facts, released("passive-elevation", number, day)),
                2 => {
                    measure(&mut facts, number, day);
                }
                _ => facts.limits[0].ended_on = Some(on(day.max(taken + 1))),
            }
            prop_assert_eq!(over(&facts, id), before);
        }
        prop_assert_eq!(facts.story.side, Arm::Right);
    }
}

/// A release changes dial, avoid list and precautions together, from its own date: the sheet never says both.
#[test]
fn a_release_lifts_the_position_and_the_precaution_that_speak_of_it_from_its_own_date() {
    use ritorno_core::assessment::Assessment;
    use ritorno_core::knowledge::Demand;
    use ritorno_core::plan::plan_chart;
    use ritorno_core::safety::bars_position;
    let mut facts = shoulder(60);
    facts.story.pathway = "reverse-shoulder".into();
    let says = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let ctx = assessment.ctx();
        let precaution = plan_chart(&ctx, facts)
            .precautions
            .into_iter()
            .any(|p| p.id == "no-combined-behind" && (p.from_day..p.to_day).contains(&ctx.today));
        let none: &[Demand] = &[];
        let path = ritorno_core::mechanics::Path { keys: Vec::new() };
        let barred = bars_position(&ctx, &path, none, &["behind-back".into()], ctx.today);
        let named = |position: &str| {
            use ritorno_core::reason::Arg;
            let this = Some(&Arg::Text(position.into()));
            barred.iter().any(|r| r.args.get("position") == this)
        };
        (precaution, named("combined-behind"))
    };
    assert_eq!(says(&facts), (true, true));
    let mut release = limit("hand-behind-back", 4.0, None);
    release.release = Some(Release {
        role: "surgeon".into(),
        on: on(55),
    });
    facts.limits = vec![release];
    assert_eq!(says(&facts), (false, false), "both are lifted");
    facts.today = on(54);
    assert_eq!(says(&facts), (true, true), "not before its own date");
    // A tighter limit written after the release forbids again: the surgeon's last word holds.
    facts.today = on(60);
    facts.limits.push(SurgeonLimit {
        from: Some(on(58)),
        ..limit("hand-behind-back", 1.0, None)
    });
    assert_eq!(says(&facts), (true, true), "tightened again");
    facts.limits.pop();
    // A limit that is no release lifts nothing.
    facts.today = on(60);
    facts.limits[0].release = None;
    assert_eq!(says(&facts), (true, true));
}

#[test]
fn a_limit_that_came_later_is_told_from_its_own_degree_on() {
    let told = |value: f64| {
        let mut facts = shoulder(40);
        let id = measure(&mut facts, value, 39);
        write(&mut facts, dated("passive-elevation", 90.0, 10));
        let assessment = Assessment::new(known(), &facts).expect("known");
        let view = measurement_view(&assessment.ctx(), &facts, &facts.measurements[0]);
        assert!(!over(&facts, id), "what nobody knew makes no breach");
        (view.not_known_then.is_some(), view.usable())
    };
    assert_eq!(told(90.0), (false, true), "at the limit");
    assert_eq!(told(90.5), (true, false), "half a degree above it");
}
