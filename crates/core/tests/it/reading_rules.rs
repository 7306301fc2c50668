//! The rules around the probabilities: what may be used, words, criteria, irritability, plan, flags, impairments, changes, scores.

use crate::examined::{find, measure, of, sore, view, word};
use crate::shoulder::{known, on, shoulder};
use proptest::prelude::*;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;
use ritorno_core::mechanics::Arm;
use ritorno_core::ranges::*;
use ritorno_core::reading::*;
use uuid::Uuid;

#[test]
fn contradicted_repeated_old_and_uninterpretable_findings_are_kept_and_not_used() {
    let why = |facts: &Facts, test: &str| {
        let seen = view(facts);
        let weighed = seen
            .findings
            .iter()
            .find(|w| w.finding.test == test)
            .expect("kept")
            .clone();
        (weighed.unused.map(|r| r.rule), weighed.also.len())
    };
    let mut facts = sore();
    find(&mut facts, "neer", word(Found::Familiar));
    assert_eq!(why(&facts, "neer"), (None, 0));
    find(&mut facts, "neer", word(Found::Nothing));
    assert_eq!(
        why(&facts, "neer"),
        (None, 1),
        "the same person's second word replaces the first"
    );
    facts.findings[0].rater = Uuid::max();
    assert_eq!(
        why(&facts, "neer"),
        (Some("finding-contradicted".into()), 1),
        "two people differ: nobody is believed"
    );
    facts.findings[1].answer = word(Found::Familiar);
    assert_eq!(why(&facts, "neer"), (None, 1), "two people agree");
    facts
        .measurements
        .retain(|r| !r.quantity.contains("elevation"));
    assert_eq!(why(&facts, "neer").0, Some("needs-unmeasured-range".into()));
    measure(&mut facts, "passive-elevation", 110.0, StopReason::Stiff);
    assert_eq!(why(&facts, "neer").0, Some("needs-range".into()));
    measure(
        &mut facts,
        "active-elevation-upright",
        155.0,
        StopReason::Stiff,
    );
    assert_eq!(
        why(&facts, "neer").0,
        Some("needs-unmeasured-range".into()),
        "active beyond passive: neither shows anything"
    );
    facts
        .measurements
        .retain(|r| r.quantity != "passive-elevation");
    assert_eq!(
        why(&facts, "neer").0,
        None,
        "what the arm does by itself it also does when lifted"
    );
    facts.findings.iter_mut().for_each(|f| f.on = on(0));
    facts.measurements.iter_mut().for_each(|r| r.on = on(60));
    facts.today = on(60);
    assert_eq!(why(&facts, "neer").0, Some("finding-too-old".into()));
    assert!(
        answer_fault(known(), "neer", TestAnswer::Number { value: 3.0 }).is_some(),
        "degrees do not answer a pain test"
    );
    assert!(answer_fault(known(), "er-lag", TestAnswer::Number { value: 400.0 }).is_some());
    assert!(answer_fault(known(), "neer", word(Found::Apprehension)).is_some());
}

#[test]
fn words_are_careful() {
    let mut facts = sore();
    let before = view(&facts);
    assert!(
        before
            .hypotheses
            .iter()
            .all(|h| h.word == Word::Open && h.low == h.high),
        "nothing examined, nothing said"
    );
    find(&mut facts, "resisted-er", word(Found::WeakPainful));
    let one = view(&facts);
    assert!(
        of(&one, "subacromial-pain").probability > 0.85
            && of(&one, "subacromial-pain").word == Word::Open,
        "one test is never enough"
    );
    assert!(
        of(&one, "subacromial-pain")
            .why
            .iter()
            .any(|r| r.rule == "word-one-test")
    );
    find(&mut facts, "painful-arc", word(Found::Familiar));
    find(&mut facts, "hawkins-kennedy", word(Found::Familiar));
    let three = view(&facts);
    let subacromial = of(&three, "subacromial-pain");
    assert_eq!(subacromial.word, Word::Likely, "{subacromial:#?}");
    assert!(subacromial.low >= 0.70 && subacromial.high > subacromial.probability);
    // Imaging ends the guessing, in either direction.
    let note = |about: &str, present| ExamNote {
        id: Uuid::now_v7(),
        on: facts.today,
        fact: ExamFact::Known {
            about: about.into(),
            present,
            by: Evidence::Ultrasound,
        },
    };
    let mut scanned = facts.clone();
    scanned
        .exam_notes
        .push(note("full-thickness-cuff-tear", true));
    scanned.exam_notes.push(note("subacromial-pain", false));
    assert_eq!(
        of(&view(&scanned), "full-thickness-cuff-tear").word,
        Word::Shown
    );
    assert_eq!(of(&view(&scanned), "subacromial-pain").word, Word::Excluded);
    // Negatives of good tests make a thing unlikely.
    for test in ["er-lag", "ir-lag"] {
        find(&mut facts, test, TestAnswer::Number { value: 0.0 });
    }
    for test in ["belly-off", "modified-belly-press", "bear-hug"] {
        find(&mut facts, test, word(Found::No));
    }
    assert_eq!(of(&view(&facts), "subscapularis-tear").word, Word::Unlikely);
}

#[test]
fn a_stiff_shoulder_is_judged_by_its_criterion_before_anything_under_the_roof() {
    let mut facts = sore();
    for test in ["painful-arc", "hawkins-kennedy"] {
        find(&mut facts, test, word(Found::Familiar));
    }
    find(&mut facts, "resisted-er", word(Found::WeakPainful));
    assert_eq!(of(&view(&facts), "subacromial-pain").word, Word::Likely);
    measure(&mut facts, "passive-er-side", 20.0, StopReason::Stiff);
    measure(&mut facts, "passive-er-90", 40.0, StopReason::Stiff);
    let seen = view(&facts);
    let frozen = &seen.conditions[0];
    assert_eq!(
        (frozen.condition.as_str(), frozen.status),
        ("frozen-shoulder", ConditionStatus::RangeOnly)
    );
    assert_eq!(of(&seen, "subacromial-pain").word, Word::Open);
    assert_eq!(
        of(&seen, "subacromial-pain").why[0].rule,
        "stiff-pattern-first",
        "before the radiograph it is a stiff pattern, and no more is said"
    );
    let film = |present| ExamNote {
        id: Uuid::now_v7(),
        on: on(3),
        fact: ExamFact::Known {
            about: "glenohumeral-osteoarthritis".into(),
            present,
            by: Evidence::Radiograph,
        },
    };
    facts.exam_notes.push(film(false));
    assert_eq!(view(&facts).conditions[0].status, ConditionStatus::Met);
    assert_eq!(
        of(&view(&facts), "subacromial-pain").why[0].rule,
        "criterion-first"
    );
    facts.exam_notes.push(film(true));
    let worn = view(&facts).conditions;
    assert_eq!(
        (worn[0].status, worn[1].status),
        (ConditionStatus::NotMet, ConditionStatus::Met)
    );
}

#[test]
fn irritability_counts_its_votes() {
    use Irritability::{High, Low, Moderate};
    use Vote::*;
    let level = |votes: &[(Vote, f64)]| {
        let mut facts = sore();
        facts.measurements.clear();
        for (question, value) in votes {
            facts.exam_notes.push(ExamNote {
                id: Uuid::now_v7(),
                on: facts.today,
                fact: ExamFact::Irritability {
                    question: *question,
                    value: *value,
                },
            });
        }
        let seen = view(&facts).irritability;
        (seen.level, seen.undetermined)
    };
    for (votes, wanted) in [
        (vec![(WorstPain, 2.0), (Night, 0.0)], (Moderate, true)),
        (
            vec![(WorstPain, 2.0), (Night, 0.0), (EndRange, 0.0)],
            (Low, false),
        ),
        (
            vec![(WorstPain, 6.0), (Night, 1.0), (EndRange, 0.0)],
            (Moderate, false),
        ),
        (
            vec![(WorstPain, 7.0), (Night, 2.0), (EndRange, 0.0)],
            (High, false),
        ),
        (
            vec![
                (WorstPain, 8.0),
                (EndRange, 2.0),
                (Disability, 2.0),
                (Night, 0.0),
            ],
            (High, false),
        ),
        (
            vec![
                (WorstPain, 3.0),
                (Night, 2.0),
                (EndRange, 0.0),
                (Disability, 0.0),
            ],
            (Moderate, false),
        ),
        (
            vec![
                (WorstPain, 1.0),
                (Ache, 2.0),
                (EndRange, 0.0),
                (Disability, 0.0),
            ],
            (Moderate, false),
        ),
        (
            vec![
                (WorstPain, 2.0),
                (Night, 0.0),
                (EndRange, 1.0),
                (Disability, 1.0),
            ],
            (Moderate, false),
        ),
    ] {
        assert_eq!(level(&votes), wanted, "{votes:?}");
    }
    let mut facts = sore();
    measure(
        &mut facts,
        "active-elevation-upright",
        120.0,
        StopReason::Pain,
    );
    let vote = |facts: &Facts| {
        view(facts)
            .irritability
            .votes
            .iter()
            .find(|v| v.question == "active_passive")
            .expect("six votes")
            .clone()
    };
    assert_eq!(vote(&facts).level, Some(High));
    measure(
        &mut facts,
        "active-elevation-upright",
        120.0,
        StopReason::Weak,
    );
    assert_eq!(vote(&facts).level, None, "weakness explains it");
}

#[test]
fn the_plan_holds_what_protection_and_sense_forbid() {
    let place = |facts: &Facts, test: &str| {
        view(facts)
            .plan
            .iter()
            .find(|i| i.test == test)
            .expect("every test stands in the plan")
            .clone()
    };
    let mut facts = sore();
    assert_eq!(place(&facts, "painful-arc").place, Place::Core);
    assert_eq!(place(&facts, "hawkins-kennedy").place, Place::Core);
    assert_eq!(place(&facts, "apprehension").place, Place::Optional);
    assert_eq!(view(&facts).plan.len(), known().tests.len());
    find(&mut facts, "painful-arc", word(Found::Familiar));
    assert_eq!(place(&facts, "painful-arc").place, Place::Done);
    for (question, value) in [
        (Vote::WorstPain, 8.0),
        (Vote::Night, 2.0),
        (Vote::Disability, 2.0),
    ] {
        facts.exam_notes.push(ExamNote {
            id: Uuid::now_v7(),
            on: facts.today,
            fact: ExamFact::Irritability { question, value },
        });
    }
    assert_eq!(place(&facts, "hawkins-kennedy").place, Place::TooProvoking);
    let optional: Vec<PlanItem> = view(&facts)
        .plan
        .into_iter()
        .filter(|i| i.place == Place::Optional)
        .collect();
    let rate = |i: &PlanItem| i.gain_bits / i.minutes;
    assert!(
        optional.len() > 20
            && optional
                .windows(2)
                .all(|w| rate(&w[0]) >= rate(&w[1]) - 1e-12),
        "ordered by bits per minute"
    );

    // Six weeks after a repair hardly anything is allowed; a year later nearly everything.
    let barred = |day: i32| {
        view(&shoulder(day))
            .plan
            .iter()
            .filter(|i| i.place == Place::Barred)
            .map(|i| i.test.clone())
            .collect::<Vec<_>>()
    };
    let early = barred(38);
    for test in [
        "painful-arc",
        "empty-can",
        "apprehension",
        "hawkins-kennedy",
        "lift-off",
        "belly-press",
        "speed",
        "closed-chain-touches",
    ] {
        assert!(early.contains(&test.to_owned()), "{test} at day 38");
    }
    assert!(
        !early.contains(&"axillary-sensation".to_owned())
            && !early.contains(&"forward-head".to_owned())
    );
    let late = barred(360);
    assert!(late.len() < early.len() / 3, "{late:?}");
    assert!(
        view(&shoulder(38)).hypotheses.is_empty(),
        "no probabilities for an operated shoulder"
    );
    assert!(
        view(&shoulder(38))
            .state
            .iter()
            .any(|s| s.sign == "infection")
    );
}

#[test]
fn findings_raise_flags() {
    let raised = |facts: &Facts| {
        view(facts)
            .flags
            .iter()
            .map(|f| f.flag.clone())
            .collect::<Vec<_>>()
    };
    let mut facts = sore();
    assert_eq!(raised(&facts), Vec::<String>::new());
    facts
        .measurements
        .retain(|r| r.quantity != "active-elevation-upright");
    measure(
        &mut facts,
        "active-elevation-upright",
        60.0,
        StopReason::Weak,
    );
    assert_eq!(
        raised(&facts),
        Vec::<String>::new(),
        "a gap alone is no flag here"
    );
    find(&mut facts, "er-lag", TestAnswer::Number { value: 20.0 });
    assert_eq!(raised(&facts), ["acute-tear"]);
    facts.birth = "2000-01-01".parse().expect("a date");
    assert_eq!(
        raised(&facts),
        Vec::<String>::new(),
        "below forty the rule does not speak"
    );
    facts.story.start = Start::Injury;
    measure(&mut facts, "passive-er-side", -5.0, StopReason::Stiff);
    find(&mut facts, "axillary-sensation", word(Found::Yes));
    find(&mut facts, "bony-apprehension", word(Found::Apprehension));
    let mut all = raised(&facts);
    all.sort();
    assert_eq!(all, ["bone-loss", "locked-rotation", "nerve-finding"]);
}

#[test]
fn impairments_are_ranked_and_honest_about_what_they_are_measured_against() {
    let mut facts = sore();
    let other = |facts: &mut Facts, quantity: &str, value: f64| {
        let side = facts.story.side.other();
        facts.measurements.push(Measurement {
            id: Uuid::now_v7(),
            quantity: quantity.into(),
            side,
            value,
            stop: StopReason::Stiff,
            by: TakenBy::Clinician,
            on: facts.today,
            arc: None,
            method: None,
            rater: None,
            remark: String::new(),
        });
    };
    // The worked thrower: other side 65 and 112, this side 45 and 125: deficit 20, total 170 against 177.
    assert_eq!(facts.story.side, Arm::Right);
    measure(&mut facts, "passive-ir-90", 45.0, StopReason::Stiff);
    measure(&mut facts, "passive-er-90", 125.0, StopReason::Stiff);
    other(&mut facts, "passive-ir-90", 65.0);
    other(&mut facts, "passive-er-90", 112.0);
    let seen = view(&facts).impairments;
    let of = |name: &str| {
        seen.iter()
            .find(|i| i.measure == name)
            .unwrap_or_else(|| panic!("{name} in {seen:#?}"))
    };
    assert_eq!(
        (of("passive-ir-90").deficit, of("total-rotation").deficit),
        (20.0, 7.0)
    );
    assert!(
        of("passive-ir-90").real && !of("total-rotation").real,
        "seven degrees over four measurements is inside their error"
    );
    assert_eq!(of("passive-ir-90").against, "other-side");
    facts.story.other_side = OtherSide::Affected;
    let seen = view(&facts).impairments;
    assert!(
        seen.iter()
            .all(|i| i.against == "reference" && i.measure != "total-rotation"),
        "a sore other side is no measure"
    );
    // Stopped at the permitted limit: at least that much, so no deficit.
    facts
        .measurements
        .iter_mut()
        .for_each(|r| r.stop = StopReason::AtLimit);
    assert!(view(&facts).impairments.is_empty());
}

#[test]
fn change_has_careful_words_and_the_clinic_may_bring_its_own_error() {
    use ChangeWord::*;
    for (change, word) in [
        (5.0, WithinError),
        (11.0, PossiblyImportant),
        (-13.0, RealAndWorthwhile),
        (12.0, RealAndWorthwhile),
    ] {
        assert_eq!(change_word(change, 12.0, 10.0), word, "{change}");
    }
    assert_eq!(change_word(9.0, 6.0, 10.0), Real);
    let mut facts = sore();
    facts.measurements.iter_mut().for_each(|r| r.on = on(1));
    measure(&mut facts, "passive-elevation", 148.0, StopReason::Stiff);
    let change = |facts: &Facts| {
        view(facts)
            .changes
            .into_iter()
            .find(|c| c.quantity == "passive-elevation")
            .expect("measured twice")
    };
    let seen = change(&facts);
    assert_eq!(
        (seen.before, seen.now, seen.word, seen.worse),
        (165.0, 148.0, RealAndWorthwhile, true)
    );
    assert!(
        (seen.detectable - 8.0 * 2f64.sqrt()).abs() < 1e-9 && seen.act.is_some(),
        "17 degrees lost: repeat now"
    );
    // Taken at home against taken in the room: half as much again.
    facts.measurements.last_mut().expect("one").by = TakenBy::Patient;
    assert!((change(&facts).detectable - 12.0 * 2f64.sqrt()).abs() < 1e-9);
    facts.clinic_errors.push(ClinicError {
        quantity: "passive-elevation".into(),
        sem: 7.0,
        sem_same_rater: 3.0,
        on: on(1),
    });
    let own = change(&facts);
    assert!(
        own.own_error
            && (own.detectable - 1.96 * 2f64.sqrt() * 7.0).abs() < 1e-9
            && own.word == PossiblyImportant
    );
    // What stopped at the permitted limit is at least that much and enters no change.
    facts.measurements.last_mut().expect("one").stop = StopReason::AtLimit;
    assert!(
        view(&facts)
            .changes
            .iter()
            .all(|c| c.quantity != "passive-elevation")
    );
}

#[test]
fn scores_follow_their_published_formulas() {
    // Worked: 24 touches, 1.75 m, 75 kg → 0.348 touches an inch, 81.6 kg·touches/s.
    assert!((touches_by_height(24.0, 175.0) - 0.348).abs() < 5e-4);
    assert!((touch_power(24.0, 75.0) - 81.6).abs() < 1e-9);
    // Every item alone, and all together: 2 + 2 + 1 + 1 + 2 + 2.
    use Severity::*;
    assert_eq!(
        instability_severity(known(), 20, true, &Severity::ALL),
        10.0
    );
    assert_eq!(instability_severity(known(), 21, false, &[]), 0.0);
    for (item, points) in [
        (Competition, 2.0),
        (ContactOrOverhead, 1.0),
        (HeadNotch, 2.0),
        (RimLoss, 2.0),
    ] {
        assert_eq!(instability_severity(known(), 30, false, &[item]), points);
    }
    assert_eq!(
        [10, 13, 50, 51].map(|age| laxity_bound(known(), age)),
        [6.0, 5.0, 5.0, 4.0]
    );
    let score = |facts: &Facts, name: &str| {
        view(facts)
            .worked_out
            .into_iter()
            .find(|w| w.score == name)
            .map(|w| w.reason.rule)
    };
    let mut facts = sore();
    find(
        &mut facts,
        "laxity-score",
        TestAnswer::Number { value: 5.0 },
    );
    assert_eq!(
        score(&facts, "laxity").as_deref(),
        Some("laxity-general"),
        "48 years old: from 5"
    );
    let item = |item, present| ExamNote {
        id: Uuid::now_v7(),
        on: on(3),
        fact: ExamFact::Instability { item, present },
    };
    facts.exam_notes.push(item(Competition, true));
    assert_eq!(
        score(&facts, "instability-severity").as_deref(),
        Some("severity-incomplete")
    );
    for s in [ContactOrOverhead, HeadNotch, RimLoss] {
        facts.exam_notes.push(item(s, true));
    }
    assert_eq!(
        score(&facts, "instability-severity").as_deref(),
        Some("severity-high"),
        "2 + 1 + 2 + 2 = 7"
    );
    // The order of winging: nerve, opposing, rounding, control, strength.
    find(&mut facts, "blade-lowering", word(Found::Obvious));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-control"));
    find(&mut facts, "wall-push-winging", word(Found::Obvious));
    assert_eq!(
        score(&facts, "winging").as_deref(),
        Some("winging-strength")
    );
    find(&mut facts, "rounded-shoulder", word(Found::Obvious));
    assert_eq!(
        score(&facts, "winging").as_deref(),
        Some("winging-rounding")
    );
    find(
        &mut facts,
        "winging-opposing-tightness",
        word(Found::Subtle),
    );
    assert_eq!(
        score(&facts, "winging").as_deref(),
        Some("winging-opposing")
    );
    find(&mut facts, "long-thoracic-nerve", word(Found::Yes));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-nerve"));
}

proptest! {
    #[test]
    fn a_higher_vote_never_lowers_the_level(votes in proptest::collection::vec(proptest::option::of(0u8..3), 5), which in 0usize..5) {
        const QUESTIONS: [Vote; 5] = [Vote::WorstPain, Vote::Night, Vote::EndRange, Vote::Disability, Vote::Ache];
        let level = |votes: &[Option<u8>]| {
            let mut facts = sore();
            facts.measurements.clear();
            for (question, vote) in QUESTIONS.into_iter().zip(votes) {
                // Worst pain of 2, 5 and 8 are a low, a moderate and a high vote.
                let value = |v: u8| f64::from(if question == Vote::WorstPain { 2 + 3 * v } else { v });
                let fact = vote.map(|v| ExamFact::Irritability { question, value: value(v) });
                facts.exam_notes.extend(fact.map(|fact| ExamNote { id: Uuid::now_v7(), on: facts.today, fact }));
            }
            view(&facts).irritability
        };
        if let Some(vote) = votes[which].filter(|v| *v < 2) {
            let mut higher = votes.clone();
            higher[which] = Some(vote + 1);
            prop_assert!(level(&higher).level >= level(&votes).level, "{votes:?} raised at {which}");
        }
        prop_assert_eq!(level(&votes).undetermined, votes.iter().flatten().count() < 3);
    }

    #[test]
    fn a_tighter_limit_never_opens_a_test(day in 0i32..200, limit in 0.0f64..170.0, tighter in 0.0f64..60.0) {
        let barred = |ceiling: f64| -> Vec<String> {
            let mut facts = shoulder(day);
            let id = Uuid::nil();
            facts.limits.push(SurgeonLimit { id, quantity: "passive-elevation".into(), ceiling, floor: None, from: None, until_day: None, ask_again_day: None, release: None, ended_on: None });
            view(&facts).plan.into_iter().filter(|i| i.place == Place::Barred).map(|i| i.test).collect()
        };
        let (wide, tight) = (barred(limit), barred((limit - tighter).max(0.0)));
        prop_assert!(wide.iter().all(|test| tight.contains(test)), "{wide:?} against {tight:?}");
        // What protection never touches stays open whatever the limit.
        prop_assert!(!tight.contains(&"axillary-sensation".to_owned()));
    }
}

#[test]
fn history_weighs_in_a_shoulder_that_slips() {
    let mut facts = sore();
    let before = of(&view(&facts), "anterior-instability").pre.probability;
    facts.story.complaint = Some(Complaint::Slipping);
    let slipping = of(&view(&facts), "anterior-instability").pre.probability;
    assert!(slipping > before, "{slipping} after {before}");
    // A sulcus of grade 2 is no negative, nor a positive.
    let loose = |facts: &Facts| of(&view(facts), "multidirectional-instability").probability;
    let open = loose(&facts);
    let mut graded = facts.clone();
    find(&mut graded, "sulcus", TestAnswer::Number { value: 2.0 });
    assert!((loose(&graded) - open).abs() < 1e-12);
    let mut negative = facts.clone();
    find(&mut negative, "sulcus", TestAnswer::Number { value: 1.0 });
    assert!(loose(&negative) < open);
    // A lax young person who slipped last week is never unlikely.
    facts.birth = "2004-05-01".parse().expect("a date");
    facts.story.other_side = OtherSide::Hypermobile;
    facts.log.push(LogEntry {
        id: Uuid::now_v7(),
        on: facts.today,
        exercise: None,
        fact: LogFact::Slip,
        remark: String::new(),
    });
    for test in [
        "apprehension",
        "relocation",
        "release",
        "bony-apprehension",
        "load-shift",
        "jerk",
        "kim",
        "sulcus",
        "gagey",
    ] {
        if let Some(row) = known().test(test) {
            let calm =
                |f: &&Found| matches!(f, Found::Nothing | Found::No | Found::Same | Found::Normal);
            let answer = match row.kind.answers().iter().find(calm) {
                Some(found) => word(*found),
                None if row.min.is_some() => TestAnswer::Number {
                    value: row.min.unwrap_or(0.0),
                },
                None => continue,
            };
            find(&mut facts, test, answer);
        }
    }
    for hypothesis in [
        "anterior-instability",
        "posterior-instability",
        "multidirectional-instability",
    ] {
        assert_ne!(
            of(&view(&facts), hypothesis).word,
            Word::Unlikely,
            "{hypothesis}"
        );
    }
}
