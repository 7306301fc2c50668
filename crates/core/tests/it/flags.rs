//! A red flag leaves only by what was done about it, and a closing closes what it names.

use super::shoulder::*;
use chrono::Days;
use proptest::prelude::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::flags::{CauseState, FlagState, Offer};
use ritorno_core::lanes::{LaneName, lane};
use ritorno_core::mechanics::Arm;
use uuid::Uuid;

fn state(facts: &Facts, flag: &str) -> Option<FlagState> {
    flag_of(facts, flag).map(|f| f.state)
}

fn place(facts: &Facts) -> (LaneName, String) {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    let lane = lane(&assessment);
    (lane.lane, lane.reason.rule)
}

#[test]
fn a_no_after_a_yes_closes_nothing_and_sent_away_is_not_yet_safe() {
    let mut facts = shoulder(38);
    reply(&mut facts, "infection", Answer::Yes, 38);
    reply(&mut facts, "infection", Answer::No, 38);
    assert_eq!(state(&facts, "infection"), Some(FlagState::Raised));
    assert_eq!(place(&facts).1, "lane-flag-open");
    step(&mut facts, "infection", 38, acted());
    let flag = flag_of(&facts, "infection").expect("it");
    assert_eq!(
        (flag.state, flag.open(), flag.overdue),
        (FlagState::ActedOn, true, false)
    );
    assert_eq!(flag.back_on, Some(on(39)), "same day: the next morning");
    assert_eq!(
        place(&facts),
        (LaneName::ReMeasure, "lane-flag-waits".to_owned())
    );
    facts.today = on(39);
    assert_eq!(
        place(&facts),
        (LaneName::SomethingIsWrong, "lane-flag-back".to_owned())
    );
    step(&mut facts, "infection", 39, answered(None));
    assert_eq!(state(&facts, "infection"), Some(FlagState::Answered));
    assert_ne!(place(&facts).0, LaneName::SomethingIsWrong);
    // What was an emergency does not leave the top by being acted on; what has days comes back after seven.
    reply(&mut facts, "chest-pain", Answer::Yes, 39);
    step(&mut facts, "chest-pain", 39, acted());
    assert!(flag_of(&facts, "chest-pain").expect("it").overdue);
    let mut slow = shoulder(38);
    reply(&mut slow, "cancer", Answer::Yes, 38);
    step(&mut slow, "cancer", 38, acted());
    assert_eq!(
        flag_of(&slow, "cancer").expect("it").back_on,
        Some(on(38) + Days::new(7))
    );
}

#[test]
fn raised_again_within_the_minute_is_open_and_so_is_what_was_entered_late() {
    let mut facts = shoulder(38);
    reply(&mut facts, "infection", Answer::Yes, 38);
    answer_open(&mut facts, "infection", 38);
    assert_eq!(state(&facts, "infection"), Some(FlagState::Answered));
    reply(&mut facts, "infection", Answer::Yes, 38);
    assert_eq!(
        state(&facts, "infection"),
        Some(FlagState::Raised),
        "the same day"
    );
    answer_open(&mut facts, "infection", 38);
    reply(&mut facts, "infection", Answer::Yes, 30);
    assert_eq!(
        state(&facts, "infection"),
        Some(FlagState::Raised),
        "entered late for an earlier day"
    );
    let flag = flag_of(&facts, "infection").expect("it");
    assert_eq!(
        (flag.causes.len(), flag.steps.len()),
        (3, 4),
        "all of it stays"
    );
    // By mistake, with a reason.
    let reason = "the wrong patient".to_owned();
    step(
        &mut facts,
        "infection",
        38,
        FlagStepKind::Mistake { reason },
    );
    assert_eq!(state(&facts, "infection"), Some(FlagState::Answered));
}

#[test]
fn two_slips_that_stay_out_are_two_and_a_better_one_takes_nothing_away() {
    let mut facts = shoulder(38);
    let slip = |facts: &mut Facts, how: SlipHow, day: i32| {
        facts.log.push(LogEntry {
            id: Uuid::now_v7(),
            on: on(day),
            exercise: None,
            fact: LogFact::SlipWorse { how },
            remark: String::new(),
        });
    };
    slip(&mut facts, SlipHow::StaysOut, 37);
    assert!(flag_of(&facts, "slip-stays-out").expect("it").open());
    answer_open(&mut facts, "slip-stays-out", 37);
    slip(&mut facts, SlipHow::StaysOut, 37);
    assert_eq!(
        state(&facts, "slip-stays-out"),
        Some(FlagState::Raised),
        "news of the same day does not hide behind a closed one"
    );
    answer_open(&mut facts, "slip-stays-out", 38);
    slip(&mut facts, SlipHow::MoreOften, 38);
    assert_eq!(state(&facts, "slip-stays-out"), Some(FlagState::Answered));
    // A gap that was measured raises; a better measurement does not take that away.
    let mut gap = shoulder(100);
    for (quantity, value, day) in [
        ("passive-elevation", 150.0, 90),
        ("active-elevation-upright", 95.0, 90),
        ("active-elevation-upright", 140.0, 98),
    ] {
        read(&mut gap, quantity, value, day, StopReason::Weak);
    }
    assert_eq!(state(&gap, "active-passive-gap"), Some(FlagState::Raised));
}

#[test]
fn a_known_loss_may_stand_but_not_grow() {
    let mut facts = shoulder(100);
    let measure = |facts: &mut Facts, active: f64, day: i32| {
        read(facts, "passive-elevation", 150.0, day, StopReason::Stiff);
        read(
            facts,
            "active-elevation-upright",
            active,
            day,
            StopReason::Weak,
        );
    };
    measure(&mut facts, 95.0, 90);
    step(&mut facts, "active-passive-gap", 90, acted());
    step(
        &mut facts,
        "active-passive-gap",
        91,
        answered(Some(on(120))),
    );
    measure(&mut facts, 98.0, 98);
    assert_eq!(
        state(&facts, "active-passive-gap"),
        Some(FlagState::Answered)
    );
    measure(&mut facts, 80.0, 99);
    assert_eq!(state(&facts, "active-passive-gap"), Some(FlagState::Raised));
}

#[test]
fn texts_ask_once_and_the_treated_injury_is_no_new_fall() {
    let mut facts = shoulder(38);
    facts.story.mechanism = "Fell on ice and landed on the arm.".into();
    assert_eq!(
        state(&facts, "deformity"),
        Some(FlagState::No),
        "that is the injury being treated"
    );
    let offered = &flag_of(&facts, "deformity").expect("it").causes[0];
    assert_eq!(
        (offered.soft, offered.offer),
        (true, Some(Offer::TreatedInjury))
    );
    // A signed note is another matter: it asks, and quotes.
    let note = |facts: &mut Facts, text: &str| {
        facts.texts.push(Written {
            id: Uuid::now_v7(),
            on: on(38),
            text: text.into(),
        });
    };
    note(
        &mut facts,
        "Slept badly. Slipped on the quay and landed on the arm.",
    );
    let asked = flag_of(&facts, "deformity").expect("it");
    assert_eq!(asked.state, FlagState::Queried);
    let new = asked.causes.iter().find(|c| !c.soft).expect("the note");
    assert_eq!(
        new.offer, None,
        "what a note tells is not the treated injury"
    );
    assert_eq!(
        asked
            .causes
            .iter()
            .find(|c| !c.soft)
            .and_then(|c| c.quote.clone()),
        Some("Slipped on the quay and landed on the arm.".into())
    );
    let about = asked.causes.iter().map(|c| c.key.clone()).collect();
    facts.flag_answers.push(FlagAnswer {
        id: Uuid::now_v7(),
        flag: "deformity".into(),
        answer: Answer::No,
        on: on(38),
        about,
        because: None,
    });
    assert_eq!(state(&facts, "deformity"), Some(FlagState::No));
    note(&mut facts, "Tripped over the hose again.");
    assert_eq!(
        state(&facts, "deformity"),
        Some(FlagState::Queried),
        "new words ask anew"
    );
    // A plain no looked at nothing.
    reply(&mut facts, "deformity", Answer::No, 38);
    assert_eq!(state(&facts, "deformity"), Some(FlagState::Queried));
}

#[test]
fn words_beside_every_part_of_a_story_ask_and_go_on_asking_when_they_are_changed() {
    let said = "Slipped on the quay and landed on the arm.";
    let parts: [fn(&mut Story) -> &mut String; 5] = [
        |s| &mut s.note,
        |s| &mut s.work,
        |s| &mut s.flag_words,
        |s| &mut s.complaint_words,
        |s| &mut s.health_words,
    ];
    for part in parts {
        let mut facts = shoulder(38);
        *part(&mut facts.story) = said.into();
        assert_eq!(state(&facts, "deformity"), Some(FlagState::Queried));
        // Somebody writes something else there: what was said before was still said.
        part(&mut facts.story).clear();
        assert_eq!(state(&facts, "deformity"), Some(FlagState::No));
        facts.story_words.push(Written {
            id: Uuid::now_v7(),
            on: on(38),
            text: said.into(),
        });
        assert_eq!(state(&facts, "deformity"), Some(FlagState::Queried));
    }
}

#[test]
fn a_fit_with_an_arm_turned_in_and_a_headache_at_fifty() {
    let mut facts = shoulder(3);
    facts.story.start = Start::Injury;
    facts.story.pathway = "first-dislocation".into();
    reply(&mut facts, "fit", Answer::Yes, 3);
    assert_eq!(state(&facts, "fit-locked"), None);
    read(&mut facts, "passive-er-side", -20.0, 3, StopReason::Stiff);
    let flag = flag_of(&facts, "fit-locked").expect("raised");
    assert_eq!(flag.tier, ritorno_core::knowledge::Tier::EmergencyNow);
    assert!(flag.open());
    // Born 1978: under fifty nobody is asked about the temples.
    assert_eq!(state(&facts, "head-jaw"), None);
    facts.birth = "1970-01-01".parse().expect("a date");
    assert!(state(&facts, "head-jaw").is_some());
    // Two days after a nerve block a numb hand is asked about in its own words.
    let mut fresh = shoulder(1);
    fresh.texts.push(Written {
        id: Uuid::now_v7(),
        on: on(1),
        text: "The hand is still numb.".into(),
    });
    let numb = flag_of(&fresh, "hand-numb").expect("asked");
    assert_eq!(numb.causes[0].offer, Some(Offer::WearingOff));
    fresh.today = on(4);
    assert_eq!(
        flag_of(&fresh, "hand-numb").expect("it").causes[0].offer,
        None
    );
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(64))]
    /// No sequence of answers without an action closes a flag.
    #[test]
    fn answers_alone_never_close(answers in prop::collection::vec((0usize..6, any::<bool>(), 20i32..38), 1..12)) {
        let ids = ["infection", "pop", "chest-pain", "cancer", "fit", "cord"];
        let mut facts = shoulder(38);
        let mut raised = std::collections::BTreeSet::new();
        for (flag, yes, day) in answers {
            let answer = if yes { Answer::Yes } else { Answer::No };
            reply(&mut facts, ids[flag], answer, day);
            if yes {
                raised.insert(ids[flag]);
            }
            for flag in &raised {
                let view = flag_of(&facts, flag).expect("it");
                prop_assert!(view.open() && view.causes.iter().all(|c| c.state == CauseState::Open));
            }
        }
        // Acting alone does not close either.
        for flag in raised {
            step(&mut facts, flag, 38, acted());
            prop_assert!(flag_of(&facts, flag).expect("it").open());
        }
        prop_assert_eq!(facts.story.side, Arm::Right);
    }
}
