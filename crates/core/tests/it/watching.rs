//! What pathways watch for besides the common rules: hold, back and stop blocks (common practice, no published source), steps
//! between rungs, and that the loader finds a gate nobody could pass.

use super::deciding::{decide, log, running, whole_day};
use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::admission::NamedText;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::Move;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Told, WatchAct};
use ritorno_core::lanes::{LaneName, lane};
use ritorno_core::progress::{WatchView, watch_views};
use uuid::Uuid;

fn watched(facts: &Facts) -> Vec<WatchView> {
    watch_views(
        &Assessment::new(known(), facts)
            .expect("a known pathway")
            .ctx(),
        facts,
    )
}

fn speaks(facts: &Facts, id: &str) -> bool {
    watched(facts).iter().any(|w| w.watch == id && w.speaks)
}

fn in_lane(facts: &Facts) -> (LaneName, String) {
    let found = lane(&Assessment::new(known(), facts).expect("a known pathway"));
    (found.lane, found.reason.rule)
}

fn score(facts: &mut Facts, id: &str, value: f64, day: i32) {
    facts.scores.push(Score {
        id: Uuid::now_v7(),
        score: id.into(),
        value,
        on: on(day),
    });
}

/// After an anterior repair more than 55° of outward turn at six weeks is too loose: stretching stops, the surgeon is told;
/// other ladders go on.
#[test]
fn a_repair_that_is_too_loose_holds_the_stretch_and_nothing_else() {
    let mut facts = running(
        "anterior-repair",
        &["to-protected-motion"],
        "assisted-external-rotation-lying-stick",
        44,
    );
    for day in 30..44 {
        whole_day(&mut facts, day, 1.0, 1.0);
    }
    assert!(!speaks(&facts, "rotation-loose"));
    // Five weeks is too early for this row, and the ceiling of that time speaks instead.
    read(&mut facts, "passive-er-side", 58.0, 44, StopReason::Stiff);
    let loose = watched(&facts)
        .into_iter()
        .find(|w| w.watch == "rotation-loose")
        .expect("it is watched at six weeks");
    assert!(
        loose.speaks
            && loose.act == WatchAct::Hold
            && loose.tell == Told::Surgeon
            && loose.since_day == Some(44),
        "{loose:?}"
    );
    assert_eq!(in_lane(&facts).0, LaneName::SomethingIsWrong);
    assert!(
        decide(&facts).kind < Move::ProgressDose,
        "{:?}",
        decide(&facts).rule
    );
    facts.today = on(41);
    facts.measurements[0].on = on(41);
    assert!(
        !watched(&facts).iter().any(|w| w.watch == "rotation-loose"),
        "not before week six"
    );
}

/// A gain of lag is new only against what was there: a torn cuff may have had one, a repaired one may not.
#[test]
fn a_lag_is_new_against_the_first_one_and_pauses_everything() {
    let lag = |facts: &mut Facts, degrees: f64, day: i32| {
        let answer = TestAnswer::Number { value: degrees };
        let side = facts.story.side;
        facts.findings.push(TestFinding {
            id: Uuid::now_v7(),
            test: "er-lag".into(),
            side,
            answer,
            variant: None,
            on: on(day),
            rater: Uuid::nil(),
            remark: String::new(),
        });
    };
    let mut torn = running("cuff-tear", &[], "isometric-outward-wall", 60);
    lag(&mut torn, 20.0, 5);
    assert!(
        !speaks(&torn, "lag-new"),
        "it was there when the shoulder was first looked at"
    );
    lag(&mut torn, 32.0, 58);
    assert!(speaks(&torn, "lag-new"));
    let assessment = Assessment::new(known(), &torn).expect("known");
    assert!(
        assessment
            .flags
            .iter()
            .any(|f| f.flag == "pathway-stop" && f.open())
    );
    assert_eq!(decide(&torn).kind, Move::Stop);
    assert_eq!(
        in_lane(&torn),
        (LaneName::SomethingIsWrong, "lane-flag-open".to_owned())
    );
    // Closed by an action of that day or later, as any flag; the next gain raises it again.
    answer_open(&mut torn, "pathway-stop", 58);
    assert!(
        !Assessment::new(known(), &torn)
            .expect("known")
            .flags
            .iter()
            .any(|f| f.flag == "pathway-stop" && f.open())
    );
    let mut repaired = running(
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        90,
    );
    lag(&mut repaired, 12.0, 88);
    assert!(
        speaks(&repaired, "lag-new"),
        "after a repair the first one counts whole"
    );
}

#[test]
fn slips_after_a_first_dislocation_step_back_once() {
    let mut facts = running(
        "first-dislocation",
        &["to-safe-range"],
        "isometric-outward-wall",
        40,
    );
    for day in 26..40 {
        whole_day(&mut facts, day, 1.0, 1.0);
    }
    log(&mut facts, 34, None, LogFact::Slip);
    assert!(!speaks(&facts, "slips-twice"));
    log(&mut facts, 37, None, LogFact::Slip);
    assert!(speaks(&facts, "slips-twice"));
    assert_eq!(
        (decide(&facts).kind, decide(&facts).rule.rule.as_str()),
        (Move::StepBack, "back-watch")
    );
    // The line that answers it began after the slip: it holds, and does not step back again.
    facts.lines[0].from_day = 39;
    assert_eq!(
        (decide(&facts).kind, decide(&facts).rule.rule.as_str()),
        (Move::HoldTooEarly, "hold-watch")
    );
}

#[test]
fn no_change_for_weeks_is_a_review_and_silence_is_not_an_answer() {
    let mut facts = running("subacromial-pain", &[], "isometric-outward-wall", 50);
    score(&mut facts, "task-pain", 6.0, 3);
    score(&mut facts, "task-pain", 5.5, 49);
    // The older answer lies outside the six weeks, so nothing can be said of them.
    let view = watched(&facts)
        .into_iter()
        .find(|w| w.watch == "no-change-6-weeks")
        .expect("watched");
    assert!(!view.speaks && view.open);
    facts.scores.insert(
        1,
        Score {
            id: Uuid::now_v7(),
            score: "task-pain".into(),
            value: 6.0,
            on: on(10),
        },
    );
    assert!(speaks(&facts, "no-change-6-weeks"));
    score(&mut facts, "task-pain", 3.0, 50);
    assert!(!speaks(&facts, "no-change-6-weeks"));
}

#[test]
fn nights_that_get_worse_step_back_in_every_pathway() {
    let mut facts = running(
        CUFF,
        &["to-protected-passive"],
        "assisted-elevation-lying-other-hand",
        34,
    );
    for day in 20..34 {
        whole_day(&mut facts, day, 1.0, 1.0);
    }
    score(&mut facts, "nights-woken", 1.0, 24);
    score(&mut facts, "nights-woken", 3.0, 33);
    assert_eq!(decide(&facts).rule.rule, "back-watch");
    facts.scores.pop();
    score(&mut facts, "nights-woken", 2.0, 33);
    assert_ne!(decide(&facts).rule.rule, "back-watch");
}

/// A new pain over the shoulder blade is asked about after a replacement, and nowhere else.
#[test]
fn blade_pain_is_asked_after_a_replacement_only() {
    let asked = |pathway: &str| {
        let facts = Facts {
            story: Story {
                pathway: pathway.into(),
                ..shoulder(50).story
            },
            ..shoulder(50)
        };
        Assessment::new(known(), &facts)
            .expect("known")
            .flags
            .iter()
            .any(|f| f.flag == "blade-bone-pain")
    };
    assert_eq!(
        [
            asked("reverse-shoulder"),
            asked("total-shoulder"),
            asked(CUFF)
        ],
        [true, true, false]
    );
}

/// The next rung waits for what its step asks; a clinician may take it with a reason, and it is told which number is missing.
#[test]
fn a_rung_waits_for_what_its_step_asks() {
    let mut facts = running(CUFF, &["to-protected-passive"], "pendulum-forward-back", 34);
    let range = &known().exercises["pendulum-forward-back"].range;
    facts.lines[0].dose.sets = range.sets[1];
    facts.lines[0].dose.repetitions = range.repetitions[1];
    facts.lines[0].dose.hold_s = range.hold_s[1];
    for day in 20..34 {
        whole_day(&mut facts, day, 1.0, 1.0);
    }
    let waiting = decide(&facts);
    assert_ne!(waiting.kind, Move::NextRung);
    let next = waiting
        .alternatives
        .iter()
        .find(|a| a.kind == Move::NextRung)
        .expect("it is offered");
    assert!(
        next.reason.rule == "asks-score" && next.overridable,
        "{:?}",
        next.reason
    );
    score(&mut facts, "rest-pain", 3.0, 33);
    assert_eq!(decide(&facts).kind, Move::NextRung);
    score(&mut facts, "rest-pain", 5.0, 34);
    assert_ne!(decide(&facts).kind, Move::NextRung);
}

/// A gate that asks for more than a ceiling lets anybody reach is refused with its criterion, and so is one that asks for a
/// force before anybody may push.
#[test]
fn a_gate_nobody_could_pass_is_refused() {
    let own = known()
        .pathway_file(CUFF, Some(("own-shut", "Shut")))
        .expect("a copy");
    let with = |file: String| {
        known().with_files(&[NamedText {
            name: "pathways/own-shut.toml".into(),
            text: file,
        }])
    };
    assert!(with(own.clone()).is_ok());
    let mut table: toml::Table = own.parse().expect("toml");
    let gates = table["gate"].as_array_mut().expect("gates");
    let criteria = gates[1]["criteria"].as_array_mut().expect("criteria");
    let elevation = criteria
        .iter_mut()
        .find(|c| c["id"].as_str() == Some("elevation"))
        .expect("the elevation criterion");
    elevation["value"] = toml::Value::Float(179.0);
    let faults = with(toml::to_string(&table).expect("toml")).expect_err("refused");
    assert!(
        faults.iter().any(|f| f.field == "criteria.elevation"),
        "{faults:?}"
    );
    // At least 60 and at most 40 at once.
    let mut table: toml::Table = own.parse().expect("toml");
    let criteria = table["gate"].as_array_mut().expect("gates")[1]["criteria"]
        .as_array_mut()
        .expect("criteria");
    let mut twice = criteria
        .iter()
        .find(|c| c["id"].as_str() == Some("elevation"))
        .expect("elevation")
        .clone();
    twice["id"] = "less".into();
    twice["op"] = "<=".into();
    twice["value"] = toml::Value::Float(40.0);
    criteria.push(twice);
    let faults = with(toml::to_string(&table).expect("toml")).expect_err("refused");
    assert!(
        faults
            .iter()
            .any(|f| f.problem.contains("no record satisfies it")),
        "{faults:?}"
    );
}

proptest! {
    /// What a watch says depends only on what is on record, never on the order in which it was entered, and a watch without
    /// a datum never speaks.
    #[test]
    fn a_watch_speaks_from_data_only(at in 0usize..20, day in 0i32..300, pains in prop::collection::vec((0i32..300, 0u32..=10), 0..6)) {
        let all: Vec<&str> = known().pathways.values().filter(|p| !p.phases.is_empty()).map(|p| p.id.as_str()).collect();
        let mut facts = Facts { story: Story { pathway: all[at % all.len()].into(), ..shoulder(day).story }, ..shoulder(day) };
        prop_assert!(watched(&facts).iter().all(|w| !w.speaks));
        let mut days: Vec<(i32, u32)> = pains.into_iter().filter(|(d, _)| *d <= day).collect();
        days.sort_unstable();
        for (d, pain) in &days {
            score(&mut facts, "task-pain", f64::from(*pain), *d);
        }
        for view in watched(&facts).iter().filter(|w| w.speaks) {
            let since = view.since_day.expect("what speaks has a day");
            prop_assert!(days.iter().any(|(d, _)| *d == since));
        }
    }
}

/// What a pathway stops for, and new pain on the shoulder blade, stand among the signs of an operated shoulder.
#[test]
fn stops_stand_among_the_signs_of_an_operated_shoulder() {
    use ritorno_core::reading::{SignState, operated_state};
    let sign = |facts: &Facts, id: &str| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let signs = operated_state(&assessment.ctx(), facts, &assessment.flags);
        signs.into_iter().find(|s| s.sign == id).map(|s| s.state)
    };
    let mut facts = Facts {
        story: Story {
            pathway: "reverse-shoulder".into(),
            ..shoulder(80).story
        },
        ..shoulder(80)
    };
    assert_eq!(
        sign(&facts, "stress-fracture"),
        Some(SignState::Quiet),
        "asked and answered with no"
    );
    facts.flag_answers.push(FlagAnswer {
        flag: "blade-bone-pain".into(),
        answer: Answer::Yes,
        on: on(80),
        id: Uuid::now_v7(),
        about: Vec::new(),
        because: None,
    });
    assert_eq!(sign(&facts, "stress-fracture"), Some(SignState::Raised));
    for (day, value) in [(58, 110.0), (66, 108.0), (79, 82.0)] {
        read(
            &mut facts,
            "active-elevation-upright",
            value,
            day,
            StopReason::Weak,
        );
    }
    assert!(speaks(&facts, "active-lost-20"));
    assert_eq!(sign(&facts, "repair-trouble"), Some(SignState::Raised));
}

/// A stop that was looked at never hides one that came after it, and a row without a known source is refused.
#[test]
fn a_closed_stop_hides_no_newer_one_and_sources_are_checked() {
    let mut torn = running("cuff-tear", &[], "isometric-outward-wall", 60);
    for (day, value) in [(30, 140.0), (45, 138.0)] {
        read(
            &mut torn,
            "active-elevation-upright",
            value,
            day,
            StopReason::Weak,
        );
    }
    let side = torn.story.side;
    for (day, degrees) in [(5, 20.0), (40, 32.0)] {
        let answer = TestAnswer::Number { value: degrees };
        torn.findings.push(TestFinding {
            id: Uuid::now_v7(),
            test: "er-lag".into(),
            side,
            answer,
            variant: None,
            on: on(day),
            rater: Uuid::nil(),
            remark: String::new(),
        });
    }
    answer_open(&mut torn, "pathway-stop", 41);
    let open = |f: &Facts| {
        Assessment::new(known(), f)
            .expect("known")
            .flags
            .iter()
            .any(|x| x.flag == "pathway-stop" && x.open())
    };
    assert!(speaks(&torn, "lag-new") && !open(&torn), "looked at");
    read(
        &mut torn,
        "active-elevation-upright",
        112.0,
        59,
        StopReason::Weak,
    );
    assert!(
        speaks(&torn, "lag-new") && speaks(&torn, "active-lost-20") && open(&torn),
        "the newer one is open"
    );
    let unsourced = |name: &str| {
        let mut files = files();
        let file = files.iter_mut().find(|f| f.name == name).expect("a file");
        file.text = file
            .text
            .replacen("common practice, no published source", "hearsay", 1);
        ritorno_core::admission::load(&files).expect_err("refused")
    };
    for name in ["watches.toml", "steps.toml"] {
        assert!(
            unsourced(name)
                .iter()
                .any(|f| f.file == name && f.field == "source"),
            "{name}"
        );
    }
}
