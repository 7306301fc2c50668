//! Every flag that a record raises by itself: raised at its bound, silent just short of it.

use super::examined::{find, word};
use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;
use uuid::Uuid;

fn raised(facts: &Facts) -> std::collections::BTreeSet<String> {
    let assessment = Assessment::new(known(), facts).expect("a known pathway");
    assessment.derived.iter().map(|d| d.flag.clone()).collect()
}

/// An injury that was not operated on.
fn injured(day: i32) -> Facts {
    let mut facts = shoulder(day);
    facts.story.start = Start::Injury;
    facts.story.pathway = "first-dislocation".into();
    facts.story.clearance = None;
    facts
}

fn slip(facts: &mut Facts, fact: LogFact) {
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: facts.today,
        exercise: None,
        fact,
        remark: String::new(),
    });
}

/// `(flag, record)`; the record is given 0 at the bound and 1 just short of it.
type Case = (&'static str, fn(f64) -> Facts);

const CASES: [Case; 12] = [
    ("active-passive-gap", |short| {
        // From week 12 on, more than 40 degrees between what is lifted and what is carried.
        let mut facts = shoulder(84 - short as i32);
        let day = facts.day();
        read(
            &mut facts,
            "passive-elevation",
            150.0,
            day,
            StopReason::Stiff,
        );
        let active = "active-elevation-upright";
        read(&mut facts, active, 109.0, day, StopReason::Weak);
        facts
    }),
    ("active-passive-gap", |short| {
        let mut facts = shoulder(84);
        read(
            &mut facts,
            "passive-elevation",
            150.0,
            84,
            StopReason::Stiff,
        );
        let active = "active-elevation-upright";
        read(&mut facts, active, 109.0 + short, 84, StopReason::Weak);
        facts
    }),
    ("active-loss", |short| {
        // From forty on, 30 degrees lost by oneself and 40 short of what is carried.
        let mut facts = shoulder(80);
        let active = "active-elevation-upright";
        read(&mut facts, active, 140.0, 70, StopReason::Stiff);
        read(
            &mut facts,
            "passive-elevation",
            150.0,
            80,
            StopReason::Stiff,
        );
        read(&mut facts, active, 110.0 + short, 80, StopReason::Weak);
        facts
    }),
    ("slip-stays-out", |short| {
        let mut facts = shoulder(40);
        let fact = LogFact::SlipWorse {
            how: SlipHow::StaysOut,
        };
        slip(&mut facts, if short > 0.0 { LogFact::Slip } else { fact });
        facts
    }),
    ("slip-grave", |short| {
        let mut facts = shoulder(40);
        let fact = LogFact::SlipWorse { how: SlipHow::Numb };
        slip(&mut facts, if short > 0.0 { LogFact::Slip } else { fact });
        facts
    }),
    ("nerve-finding", |short| {
        let mut facts = shoulder(40);
        let found = if short > 0.0 { Found::No } else { Found::Yes };
        find(&mut facts, "axillary-sensation", word(found));
        facts
    }),
    ("locked-rotation", |short| {
        let mut facts = injured(10);
        read(&mut facts, "passive-er-side", short, 10, StopReason::Stiff);
        facts
    }),
    ("bone-loss", |short| {
        let mut facts = injured(40);
        let found = if short > 0.0 {
            Found::PainOnly
        } else {
            Found::Apprehension
        };
        find(&mut facts, "bony-apprehension", word(found));
        facts
    }),
    ("acute-tear", |short| {
        // From forty on, not up to 90 degrees, 40 short of what is carried, and a lag of 5.
        let mut facts = injured(40);
        read(
            &mut facts,
            "passive-elevation",
            129.0,
            40,
            StopReason::Stiff,
        );
        let active = "active-elevation-upright";
        read(&mut facts, active, 89.0 + short, 40, StopReason::Weak);
        find(&mut facts, "er-lag", TestAnswer::Number { value: 5.0 });
        facts
    }),
    ("acute-tear", |short| {
        let mut facts = injured(40);
        read(
            &mut facts,
            "passive-elevation",
            140.0,
            40,
            StopReason::Stiff,
        );
        read(
            &mut facts,
            "active-elevation-upright",
            60.0,
            40,
            StopReason::Weak,
        );
        find(
            &mut facts,
            "er-lag",
            TestAnswer::Number { value: 5.0 - short },
        );
        facts
    }),
    ("fall-back-range", |short| {
        // 15 degrees lost together with new weakness.
        let mut facts = shoulder(60);
        reply(&mut facts, "new-weakness", Answer::Yes, 60);
        read(
            &mut facts,
            "passive-elevation",
            120.0,
            53,
            StopReason::Stiff,
        );
        read(
            &mut facts,
            "passive-elevation",
            104.0 + 2.0 * short,
            60,
            StopReason::Stiff,
        );
        facts
    }),
    ("fit-locked", |short| {
        let mut facts = injured(10);
        reply(&mut facts, "fit", Answer::Yes, 10);
        let locked = if short > 0.0 { Answer::No } else { Answer::Yes };
        reply(&mut facts, "locked-arm", locked, 10);
        facts
    }),
];

#[test]
fn each_flag_is_raised_at_its_bound_and_silent_just_short_of_it() {
    for (n, (flag, record)) in CASES.into_iter().enumerate() {
        assert!(raised(&record(0.0)).contains(flag), "case {n}: {flag}");
        let short = raised(&record(1.0));
        assert!(!short.contains(flag), "case {n}: {flag} short of it");
    }
}

#[test]
fn what_age_and_operation_say_silences_only_its_own() {
    let (_, tear) = CASES[8];
    let young = Facts {
        birth: "2000-01-01".parse().expect("a date"),
        ..tear(0.0)
    };
    assert!(!raised(&young).contains("acute-tear"), "below forty");
    let mut operated = tear(0.0);
    operated.story.start = Start::Surgery;
    assert!(
        !raised(&operated).contains("acute-tear"),
        "after an operation the surgeon's rules speak"
    );
    let (_, nerve) = CASES[5];
    assert!(
        raised(&nerve(0.0)).contains("nerve-finding"),
        "a numb arm speaks after an operation too"
    );
}
