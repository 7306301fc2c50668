//! What may be read from what: stiff shoulders, ranges that contradict, findings that raise flags, what the story changes.

use crate::examined::{find, measure, of, sore, view, word};
use crate::shoulder::{known, on};
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;
use ritorno_core::reading::*;
use uuid::Uuid;

/// A shoulder that lost turning out and raising: impingement signs are not interpretable, its pathway is challenged.
#[test]
fn in_a_stiff_shoulder_roof_signs_say_nothing_and_their_pathway_is_challenged() {
    let mut facts = sore();
    facts.story.pathway = "subacromial-pain".into();
    for test in ["painful-arc", "hawkins-kennedy", "neer", "yocum"] {
        find(&mut facts, test, word(Found::Familiar));
    }
    let challenge = |facts: &Facts| view(facts).challenge.map(|r| r.rule);
    assert_eq!(challenge(&facts), None);
    measure(&mut facts, "passive-er-side", 20.0, StopReason::Stiff);
    measure(&mut facts, "passive-er-90", 40.0, StopReason::Stiff);
    let seen = view(&facts);
    let roof = seen.findings.iter().filter(|w| w.finding.test != "er-lag");
    for weighed in roof {
        assert_eq!(
            weighed.unused.as_ref().map(|r| r.rule.as_str()),
            Some("stiff-says-nothing"),
            "{}",
            weighed.finding.test
        );
    }
    // Nor is any of them proposed, for as long as it is stiff.
    facts.findings.clear();
    let signs = ["painful-arc", "hawkins-kennedy", "neer", "yocum"];
    let seen = view(&facts);
    let planned = seen
        .plan
        .iter()
        .filter(|i| signs.contains(&i.test.as_str()));
    for item in planned {
        assert_eq!(item.place, Place::NotNow, "{}", item.test);
    }
    assert!(
        seen.telling
            .iter()
            .all(|i| !signs.contains(&i.test.as_str())
                && i.about.iter().all(|h| h != "subacromial-pain"))
    );
    assert_eq!(
        challenge(&facts).as_deref(),
        Some("pathway-against-stiffness")
    );
    facts.exam_notes.push(ExamNote {
        id: Uuid::now_v7(),
        on: on(3),
        fact: ExamFact::PathwayKept {
            pathway: facts.story.pathway.clone(),
            reason: "stiff since youth, the other side as well".into(),
        },
    });
    assert_eq!(challenge(&facts), None, "kept with a reason");
}

/// The sign with the arm at 90° needs the arm to turn in there: where that was measured and is not there it says nothing.
#[test]
fn the_sign_at_ninety_degrees_needs_the_arm_to_turn_in() {
    let mut facts = sore();
    find(&mut facts, "hawkins-kennedy", word(Found::Familiar));
    let why = |facts: &Facts| view(facts).findings[0].unused.clone().map(|r| r.rule);
    assert_eq!(why(&facts), None, "not measured: believed");
    measure(&mut facts, "passive-ir-90", 20.0, StopReason::Stiff);
    assert_eq!(why(&facts).as_deref(), Some("needs-range"));
    measure(&mut facts, "passive-ir-90", 50.0, StopReason::Stiff);
    assert_eq!(why(&facts), None);
}

/// One fact, one use: a lag that raises a flag is never told as kept and not used.
#[test]
fn a_lag_that_raises_a_flag_is_used() {
    let mut facts = sore();
    facts.measurements.clear();
    measure(&mut facts, "passive-elevation", 160.0, StopReason::Stiff);
    measure(
        &mut facts,
        "active-elevation-upright",
        50.0,
        StopReason::Weak,
    );
    find(&mut facts, "er-lag", TestAnswer::Number { value: 25.0 });
    let seen = view(&facts);
    let lag = &seen.findings[0];
    assert!(lag.unused.is_some(), "turning out was never measured");
    assert_eq!(lag.raises.as_deref(), Some("acute-tear"));
    assert!(seen.flags.iter().any(|f| f.flag == "acute-tear"));
    use ritorno_core::reason::Arg;
    let done = seen.summary.iter().find(|r| r.rule == "summary-done");
    assert_eq!(
        done.expect("told").args.get("unused"),
        Some(&Arg::Number(0.0))
    );
}

/// Malfait 2017, from memory: from 6 before puberty, 5 until 50, 4 above.
#[test]
fn a_laxity_score_at_its_bound_proposes_to_note_a_loose_other_side() {
    for (born, score, proposes) in [
        ("2016-05-01", 5.0, false),
        ("2016-05-01", 6.0, true),
        ("1996-05-01", 4.0, false),
        ("1996-05-01", 5.0, true),
        ("1966-05-01", 4.0, true),
    ] {
        let mut facts = sore();
        facts.birth = born.parse().expect("a date");
        find(
            &mut facts,
            "laxity-score",
            TestAnswer::Number { value: score },
        );
        let proposal = |facts: &Facts| {
            let all = view(facts).worked_out;
            all.into_iter()
                .find(|w| w.score == "laxity")
                .expect("it")
                .proposes
        };
        let wanted = proposes.then_some(OtherSide::Hypermobile);
        assert_eq!(proposal(&facts), wanted, "{score} born {born}");
        facts.story.other_side = OtherSide::Operated;
        assert_eq!(proposal(&facts), None, "a healing side stays one");
    }
}

/// What the story tells changes something: fits, thyroid, sleep, an injection.
#[test]
fn what_the_story_tells_changes_what_it_says_it_changes() {
    use ritorno_core::assessment::Assessment;
    use ritorno_core::ranges::max_age_days;
    use ritorno_core::safety::check_exercise;
    let mut facts = sore();
    measure(&mut facts, "passive-er-side", -5.0, StopReason::Stiff);
    let locked = |facts: &Facts| {
        view(facts)
            .flags
            .iter()
            .any(|f| f.flag == "locked-rotation")
    };
    assert!(!locked(&facts));
    facts.story.health = vec!["seizures".into()];
    assert!(locked(&facts), "a fit nobody saw can put a shoulder out");
    let age = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let quantity = known().quantity("passive-er-side").expect("it");
        max_age_days(&assessment.ctx(), facts, quantity)
    };
    let before = age(&facts);
    facts.story.health = vec!["thyroid".into()];
    assert!(age(&facts) < before);
    // Quick work needs a reason where a fall does more harm.
    let quick = (known().exercises.values())
        .find(|e| e.hardest() == ritorno_core::knowledge::Level::Ballistic)
        .expect("quick work");
    let asks = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let ctx = assessment.ctx();
        let verdict = check_exercise(&ctx, quick, &quick.dose, ctx.today);
        verdict
            .findings
            .iter()
            .any(|f| f.reason.rule == "quick-with-health")
    };
    assert!(!asks(&facts));
    for health in ["anticoagulants", "osteoporosis"] {
        facts.story.health = vec![health.into()];
        assert!(asks(&facts), "{health}");
    }
    // Every row of general health changes something.
    for row in &known().health {
        assert!(
            row.strength_delay_weeks > 0
                || row.max_age_days.is_some()
                || row.locked_arm
                || row.starts_low
                || row.quick_caution
                || !row.keeps_from.is_empty(),
            "{} changes nothing",
            row.id
        );
    }
    // Two weeks after a steroid no resisted work without a reason.
    let heavy = &known().exercises["external-rotation-side-lying-weight"];
    let warned = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let ctx = assessment.ctx();
        let verdict = check_exercise(&ctx, heavy, &heavy.dose, ctx.today);
        verdict
            .findings
            .iter()
            .any(|f| f.reason.rule == "after-injection")
    };
    let injected = |what, day: i32| ExamNote {
        id: Uuid::now_v7(),
        on: on(day),
        fact: ExamFact::Injection { what },
    };
    facts.today = on(30);
    facts.exam_notes.push(injected(Injected::Other, 29));
    assert!(!warned(&facts));
    facts.exam_notes.push(injected(Injected::Steroid, 16));
    assert!(!warned(&facts), "fourteen days are over");
    facts.exam_notes.push(injected(Injected::Steroid, 17));
    assert!(warned(&facts), "the last of fourteen days");
    facts.exam_notes.push(injected(Injected::Steroid, 30));
    assert!(warned(&facts), "the day itself");
}

/// Active beyond passive: neither serves a vote or a criterion, and of a withheld beam no number is shown.
#[test]
fn what_stands_against_another_serves_no_vote_and_no_criterion() {
    let mut facts = sore();
    measure(&mut facts, "passive-er-side", 20.0, StopReason::Stiff);
    measure(&mut facts, "passive-er-90", 40.0, StopReason::Stiff);
    let before = view(&facts);
    assert_eq!(before.conditions[0].status, ConditionStatus::RangeOnly);
    assert!(of(&before, "subacromial-pain").withheld);
    // It turns out further by itself than it is turned.
    measure(&mut facts, "active-er-side", 60.0, StopReason::Stiff);
    let after = view(&facts);
    assert_eq!(after.conditions[0].status, ConditionStatus::NotMeasured);
    assert!(!of(&after, "subacromial-pain").withheld);
    let vote = |facts: &Facts| {
        let votes = view(facts).irritability.votes;
        let found = votes.into_iter().find(|v| v.question == "active_passive");
        let found = found.expect("it");
        (found.level.is_some(), found.reason.expect("told").rule)
    };
    assert_eq!(vote(&facts), (true, "vote-from-ranges".into()));
    measure(&mut facts, "passive-elevation", 95.0, StopReason::Stiff);
    assert_eq!(vote(&facts), (false, "vote-ranges-conflict".into()));
}

/// What the arm did by itself earlier says nothing against what it was lifted to last.
#[test]
fn an_older_active_range_does_not_stand_for_a_newer_passive_one() {
    let mut facts = sore();
    find(&mut facts, "painful-arc", word(Found::Familiar));
    let why = |facts: &Facts| view(facts).findings[0].unused.clone().map(|r| r.rule);
    assert_eq!(why(&facts), None);
    facts.today = on(5);
    measure(&mut facts, "passive-elevation", 120.0, StopReason::Pain);
    assert_eq!(why(&facts).as_deref(), Some("needs-range"));
    facts.today = on(6);
    measure(
        &mut facts,
        "active-elevation-upright",
        155.0,
        StopReason::Pain,
    );
    assert_eq!(why(&facts), None, "newer, it shows that the range is there");
}
