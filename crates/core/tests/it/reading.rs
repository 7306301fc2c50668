//! Reading against independent numbers: adaptive integration, published clusters, enumeration, and the properties of the model.

use crate::shoulder::{known, on, shoulder};
use proptest::prelude::*;
use ritorno_core::episode::*;
use ritorno_core::knowledge::{Found, Setting};
use ritorno_core::mechanics::Arm;
use ritorno_core::reading::*;
use ritorno_core::visit::Assessment;
use serde_json::Value;
use std::sync::OnceLock;
use uuid::Uuid;

fn oracle() -> &'static Value {
    static ORACLE: OnceLock<Value> = OnceLock::new();
    ORACLE.get_or_init(|| serde_json::from_str(include_str!("../oracles/reading.json")).expect("the frozen answers"))
}

fn numbers(value: &Value) -> Vec<f64> {
    value.as_array().expect("a list").iter().map(|v| v.as_f64().expect("a number")).collect()
}

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

pub fn measure(facts: &mut Facts, quantity: &str, value: f64, stop: StopReason) {
    let side = facts.story.side;
    facts.readings.push(Reading {
        id: Uuid::now_v7(),
        quantity: quantity.into(),
        side,
        value,
        stop,
        by: TakenBy::Clinician,
        on: facts.today,
        arc: None,
    });
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
    };
    assert_eq!(answer_fault(known(), test, answer), None, "{test} cannot be answered so");
    facts.findings.push(finding);
}

fn word(found: Found) -> TestAnswer {
    TestAnswer::Word { found }
}

fn view(facts: &Facts) -> ReadView {
    read(&Assessment::new(known(), facts).expect("a known pathway"), model())
}

fn of<'a>(view: &'a ReadView, hypothesis: &str) -> &'a HypothesisView {
    view.hypotheses.iter().find(|h| h.hypothesis == hypothesis).unwrap_or_else(|| panic!("no {hypothesis}"))
}

#[test]
fn likelihoods_of_groups_agree_with_adaptive_integration() {
    for group in oracle()["groups"].as_array().expect("groups") {
        let (s, f) = (numbers(&group["sensitivity"]), numbers(&group["false_positive"]));
        let loading = group["rho"].as_f64().expect("ρ").sqrt();
        let members = s.iter().zip(&f).map(|(s, f)| Member::new(*s, *f, loading)).collect();
        let built = GroupModel::new(members);
        for cell in group["cells"].as_array().expect("cells") {
            let pattern: Vec<Option<bool>> = cell["pattern"].as_array().expect("pattern").iter().map(Value::as_bool).collect();
            let (with, without) = built.likelihoods(&pattern);
            for (got, wanted) in [(with, &cell["with"]), (without, &cell["without"])] {
                let wanted = wanted.as_f64().expect("a number");
                assert!((got - wanted).abs() < 1e-6, "{} {pattern:?}: {got} against {wanted}", group["name"]);
            }
        }
    }
}

#[test]
fn the_interval_of_one_test_agrees_with_integration_over_both_beta_variables() {
    // Spurling +, neck turning −: the counts of the oracle are the rows' own.
    let cases = [("spurling", "cervical-referral", Found::Familiar), ("neck-rotation-60", "cervical-referral", Found::No)];
    for ((test, hypothesis, found), case) in cases.into_iter().zip(oracle()["intervals"].as_array().expect("intervals")) {
        let mut facts = sore();
        facts.exam_notes.push(ExamNote {
            id: Uuid::nil(),
            on: facts.today,
            fact: ExamFact::PreTest { hypothesis: hypothesis.into(), probability: 0.5, reason: "even".into() },
        });
        find(&mut facts, test, word(found));
        let seen = view(&facts);
        let got = of(&seen, hypothesis);
        // At even odds the odds are the ratio itself. 2,000 draws place an end within about a tenth.
        for (end, wanted) in [(got.low, &case["low"]), (got.high, &case["high"])] {
            let (ratio, wanted) = (end / (1.0 - end), wanted.as_f64().expect("a number"));
            assert!((ratio / wanted).ln().abs() < 0.12, "{test}: {ratio} against {wanted}");
        }
    }
}

#[test]
fn published_clusters_are_the_headline_and_the_model_stands_beside_them() {
    // Park 2005 (from memory): 10.56, 5.03, 0.90, 0.17 for 3, 2, 1, 0 of three. The model is fitted with one ρ; how far each
    // cell lies from the published one is stated here as a factor. Two of three is the model's limit.
    let tolerance = [1.25, 1.2, 1.75, 1.1];
    let tests = [
        ("hawkins-kennedy", Found::Familiar, Found::Nothing),
        ("painful-arc", Found::Familiar, Found::Nothing),
        ("resisted-er", Found::WeakPainful, Found::StrongPainless),
    ];
    let published = [0.17, 0.90, 5.03, 10.56];
    for positives in 0..=3usize {
        // The model's value for a count is taken over all patterns with that count, weighted by how often each comes.
        let group = model().groups("subacromial-pain").iter().find(|g| g.id == "subacromial-signs").expect("the group");
        let (mut with, mut without) = (0.0, 0.0);
        for mask in 0..8u32 {
            if mask.count_ones() as usize != positives {
                continue;
            }
            let answers: Vec<Option<bool>> =
                group.tests.iter().map(|t| tests.iter().position(|(name, ..)| name == t).map(|i| mask >> i & 1 == 1)).collect();
            let (w, wo) = group.point.likelihoods(&answers);
            with += w;
            without += wo;
        }
        let ratio: f64 = with / without;
        let off = (ratio / published[positives]).ln().abs();
        assert!(off < f64::ln(tolerance[positives]), "{positives} of 3: model {ratio:.2}, published {}", published[positives]);
        let mut facts = sore();
        facts.story.setting = Setting::Specialist;
        for (i, (test, yes, no)) in tests.iter().enumerate() {
            find(&mut facts, test, word(if i < positives { *yes } else { *no }));
        }
        let seen = view(&facts);
        let subacromial = of(&seen, "subacromial-pain");
        let cluster = subacromial.cluster.as_ref().expect("exactly the members were done");
        assert_eq!((cluster.positive, cluster.ratio), (positives, published[positives]));
        assert!((subacromial.probability - after_ratio(0.65, published[positives])).abs() < 1e-12);
        // One more test and the cluster is no longer exactly what was studied.
        find(&mut facts, "neer", word(Found::Nothing));
        assert!(of(&view(&facts), "subacromial-pain").cluster.is_none());
    }
    // K05 to K08 and K15, K16: the starting values of ρ against the published ratios of all and none positive.
    for (hypothesis, group, members, all) in [
        ("full-thickness-cuff-tear", "arc-drop-turn", ["painful-arc", "drop-arm", "resisted-er"].as_slice(), 15.57),
        (
            "cervical-referral",
            "neck-signs",
            ["upper-limb-tension-median", "neck-rotation-60", "neck-distraction", "spurling"].as_slice(),
            30.3,
        ),
    ] {
        let group = model().groups(hypothesis).iter().find(|g| g.id == group).expect("the group");
        let ratio = group.log_ratio(&group.tests.iter().map(|t| members.contains(&t.as_str()).then_some(true)).collect::<Vec<_>>()).exp();
        assert!((ratio / all).ln().abs() < f64::ln(1.35), "{hypothesis}: {ratio:.1} against {all}");
    }
}

#[test]
fn bayes_on_odds_gives_the_worked_values() {
    // reference arithmetic: (pre-test, ratio) → post-test
    for (pre, ratio, post) in [
        (0.20, 5.0, 0.5556),
        (0.20, 0.2, 0.0476),
        (0.50, 10.0, 0.9091),
        (0.50, 0.1, 0.0909),
        (0.65, 10.56, 0.9515),
        (0.65, 0.17, 0.2400),
        (0.23, 30.3, 0.9005),
    ] {
        assert!((after_ratio(pre, ratio) - post).abs() < 5e-5, "{pre} × {ratio}");
    }
    assert_eq!((after_ratio(0.0, 9.0), after_ratio(1.0, 0.1)), (0.0, 1.0));
}

#[test]
fn information_gain_equals_brute_force_enumeration() {
    let mut facts = sore();
    find(&mut facts, "painful-arc", word(Found::Familiar));
    find(&mut facts, "neer", word(Found::Nothing));
    let seen = view(&facts);
    let used: Vec<&Weighed> = seen.findings.iter().filter(|w| w.unused.is_none()).collect();
    for (hypothesis, test) in [
        ("subacromial-pain", "hawkins-kennedy"),
        ("subacromial-pain", "resisted-er"),
        ("full-thickness-cuff-tear", "drop-arm"),
        ("full-thickness-cuff-tear", "full-can"),
    ] {
        let group = model().groups(hypothesis).iter().find(|g| g.tests.iter().any(|t| t == test)).expect("a group");
        let p = of(&seen, hypothesis).probability;
        let answers = |last: Option<bool>| -> Vec<Option<bool>> {
            group
                .tests
                .iter()
                .map(|t| match t.as_str() {
                    t if t == test => last,
                    "painful-arc" => Some(true),
                    "neer" => Some(false),
                    _ => None,
                })
                .collect()
        };
        // The joint table of (condition, answer) given what was found, written out cell by cell.
        let base = group.point.likelihoods(&answers(None));
        let cell = |yes: bool| {
            let (w, wo) = group.point.likelihoods(&answers(Some(yes)));
            (p * w / base.0, (1.0 - p) * wo / base.1)
        };
        let brute: f64 = entropy(p)
            - [true, false]
                .into_iter()
                .map(|yes| {
                    let (a, b) = cell(yes);
                    (a + b) * entropy(a / (a + b))
                })
                .sum::<f64>();
        let got = gain_bits(known(), model(), hypothesis, p, &used, test).expect("it speaks for it");
        assert!((got - brute).abs() < 1e-9 && got > 0.0, "{hypothesis} {test}: {got} against {brute}");
    }
}

/// Word answers of the signs under the roof, by number.
fn sign(test: usize, answer: u8) -> (&'static str, TestAnswer) {
    let pain = [Found::Familiar, Found::OtherPain, Found::Nothing];
    let push = [Found::WeakPainful, Found::StrongPainful, Found::StrongPainless];
    let pick = |words: [Found; 3]| word(words[usize::from(answer % 3)]);
    match test % 6 {
        0 => ("hawkins-kennedy", pick(pain)),
        1 => ("painful-arc", pick(pain)),
        2 => ("resisted-er", pick(push)),
        3 => ("neer", pick(pain)),
        4 => ("empty-can", pick(push)),
        _ => ("full-can", pick(push)),
    }
}

proptest! {
    #[test]
    fn not_done_and_not_interpretable_change_nothing_and_order_is_irrelevant(answers in proptest::collection::vec(0u8..3, 6), swap in 0usize..6) {
        let mut facts = sore();
        for (i, a) in answers.iter().enumerate() {
            let (test, answer) = sign(i, *a);
            find(&mut facts, test, answer);
        }
        let before = view(&facts).hypotheses;
        let mut turned = facts.clone();
        turned.findings.rotate_left(swap);
        prop_assert_eq!(&view(&turned).hypotheses, &before);
        find(&mut facts, "apprehension", TestAnswer::CouldNot);
        find(&mut facts, "crank", word(Found::Familiar));
        facts.readings.retain(|r| r.quantity != "passive-er-90");
        prop_assert_eq!(view(&facts).hypotheses.iter().filter(|h| h.hypothesis != "superior-labrum").count(), before.len() - 1);
        for h in view(&facts).hypotheses.iter().filter(|h| h.hypothesis != "superior-labrum") {
            prop_assert_eq!(h, before.iter().find(|b| b.hypothesis == h.hypothesis).expect("the same list"));
        }
    }

    #[test]
    fn without_dependence_it_is_naive_bayes_and_marginals_hold_with_it(shares in proptest::collection::vec((0.05f64..0.95, 0.05f64..0.95), 1..5), loading in 0.0f64..0.77, plus in proptest::collection::vec(any::<bool>(), 5)) {
        let build = |a: f64| GroupModel::new(shares.iter().map(|(s, f)| Member::new(*s, *f, a)).collect());
        let naive: f64 = shares.iter().zip(&plus).map(|((s, f), yes)| if *yes { s / f } else { (1.0 - s) / (1.0 - f) }.ln()).sum();
        prop_assert!((build(0.0).log_ratio(plus.iter().map(|p| Some(*p))) - naive).abs() < 1e-9);
        // One test alone says the same whatever it shares with others.
        for i in 0..shares.len() {
            let alone: Vec<Option<bool>> = (0..shares.len()).map(|j| (i == j).then_some(true)).collect();
            let (with, without) = build(loading).likelihoods(&alone);
            prop_assert!((with - shares[i].0).abs() < 2e-4 && (without - shares[i].1).abs() < 2e-4, "{with} {without}");
        }
        // With ρ = 0 one more positive answer of an informative test never lowers the reading.
        for (i, (s, f)) in shares.iter().enumerate().filter(|(_, (s, f))| s > f) {
            let answer = |yes: bool| build(0.0).log_ratio(plus.iter().take(shares.len()).enumerate().map(|(j, p)| Some(if i == j { yes } else { *p })));
            prop_assert!(answer(true) > answer(false), "{s} {f}");
        }
    }
}

#[test]
fn contradicted_repeated_old_and_uninterpretable_findings_are_kept_and_not_used() {
    let why = |facts: &Facts, test: &str| {
        let seen = view(facts);
        let weighed = seen.findings.iter().find(|w| w.finding.test == test).expect("kept").clone();
        (weighed.unused.map(|r| r.rule), weighed.also.len())
    };
    let mut facts = sore();
    find(&mut facts, "neer", word(Found::Familiar));
    assert_eq!(why(&facts, "neer"), (None, 0));
    find(&mut facts, "neer", word(Found::Nothing));
    assert_eq!(why(&facts, "neer"), (None, 1), "the same person's second word replaces the first");
    facts.findings[0].rater = Uuid::max();
    assert_eq!(why(&facts, "neer"), (Some("finding-contradicted".into()), 1), "two people differ: nobody is believed");
    facts.findings[1].answer = word(Found::Familiar);
    assert_eq!(why(&facts, "neer"), (None, 1), "two people agree");
    facts.readings.retain(|r| !r.quantity.contains("elevation"));
    assert_eq!(why(&facts, "neer").0, Some("needs-unmeasured-range".into()));
    measure(&mut facts, "passive-elevation", 110.0, StopReason::Stiff);
    assert_eq!(why(&facts, "neer").0, Some("needs-range".into()));
    measure(&mut facts, "active-elevation-upright", 155.0, StopReason::Stiff);
    assert_eq!(why(&facts, "neer").0, None, "what the arm does by itself it also does when lifted");
    facts.findings.iter_mut().for_each(|f| f.on = on(0));
    facts.readings.iter_mut().for_each(|r| r.on = on(60));
    facts.today = on(60);
    assert_eq!(why(&facts, "neer").0, Some("finding-too-old".into()));
    assert!(answer_fault(known(), "neer", TestAnswer::Number { value: 3.0 }).is_some(), "degrees do not answer a pain test");
    assert!(answer_fault(known(), "er-lag", TestAnswer::Number { value: 400.0 }).is_some());
    assert!(answer_fault(known(), "neer", word(Found::Apprehension)).is_some());
}

#[test]
fn words_are_careful() {
    let mut facts = sore();
    let before = view(&facts);
    assert!(before.hypotheses.iter().all(|h| h.word == Word::Open && h.low == h.high), "nothing examined, nothing said");
    find(&mut facts, "resisted-er", word(Found::WeakPainful));
    let one = view(&facts);
    assert!(of(&one, "subacromial-pain").probability > 0.85 && of(&one, "subacromial-pain").word == Word::Open, "one test is never enough");
    assert!(of(&one, "subacromial-pain").why.iter().any(|r| r.rule == "word-one-test"));
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
        fact: ExamFact::Known { about: about.into(), present, by: Evidence::Ultrasound },
    };
    let mut scanned = facts.clone();
    scanned.exam_notes.push(note("full-thickness-cuff-tear", true));
    scanned.exam_notes.push(note("subacromial-pain", false));
    assert_eq!(of(&view(&scanned), "full-thickness-cuff-tear").word, Word::Shown);
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
    assert_eq!((frozen.condition.as_str(), frozen.status), ("frozen-shoulder", ConditionStatus::RangeOnly));
    assert_eq!(of(&seen, "subacromial-pain").word, Word::Open);
    assert_eq!(of(&seen, "subacromial-pain").why[0].rule, "criterion-first");
    let film = |present| ExamNote {
        id: Uuid::now_v7(),
        on: on(3),
        fact: ExamFact::Known { about: "glenohumeral-osteoarthritis".into(), present, by: Evidence::Radiograph },
    };
    facts.exam_notes.push(film(false));
    assert_eq!(view(&facts).conditions[0].status, ConditionStatus::Met);
    facts.exam_notes.push(film(true));
    let worn = view(&facts).conditions;
    assert_eq!((worn[0].status, worn[1].status), (ConditionStatus::NotMet, ConditionStatus::Met));
}

#[test]
fn irritability_counts_its_votes() {
    use Irritability::{High, Low, Moderate};
    use Vote::*;
    let level = |votes: &[(Vote, f64)]| {
        let mut facts = sore();
        facts.readings.clear();
        for (question, value) in votes {
            facts.exam_notes.push(ExamNote {
                id: Uuid::now_v7(),
                on: facts.today,
                fact: ExamFact::Irritability { question: *question, value: *value },
            });
        }
        let seen = view(&facts).irritability;
        (seen.level, seen.undetermined)
    };
    for (votes, wanted) in [
        (vec![(WorstPain, 2.0), (Night, 0.0)], (Moderate, true)),
        (vec![(WorstPain, 2.0), (Night, 0.0), (EndRange, 0.0)], (Low, false)),
        (vec![(WorstPain, 6.0), (Night, 1.0), (EndRange, 0.0)], (Moderate, false)),
        (vec![(WorstPain, 7.0), (Night, 2.0), (EndRange, 0.0)], (High, false)),
        (vec![(WorstPain, 8.0), (EndRange, 2.0), (Disability, 2.0), (Night, 0.0)], (High, false)),
        (vec![(WorstPain, 3.0), (Night, 2.0), (EndRange, 0.0), (Disability, 0.0)], (Moderate, false)),
        (vec![(WorstPain, 1.0), (Ache, 2.0), (EndRange, 0.0), (Disability, 0.0)], (Moderate, false)),
        (vec![(WorstPain, 2.0), (Night, 0.0), (EndRange, 1.0), (Disability, 1.0)], (Moderate, false)),
    ] {
        assert_eq!(level(&votes), wanted, "{votes:?}");
    }
    let mut facts = sore();
    measure(&mut facts, "active-elevation-upright", 120.0, StopReason::Pain);
    let vote = |facts: &Facts| view(facts).irritability.votes.iter().find(|v| v.question == "active_passive").expect("six votes").clone();
    assert_eq!(vote(&facts).level, Some(High));
    measure(&mut facts, "active-elevation-upright", 120.0, StopReason::Weak);
    assert_eq!(vote(&facts).level, None, "weakness explains it");
}

#[test]
fn the_plan_holds_what_protection_and_sense_forbid() {
    let place =
        |facts: &Facts, test: &str| view(facts).plan.iter().find(|i| i.test == test).expect("every test stands in the plan").clone();
    let mut facts = sore();
    assert_eq!(place(&facts, "painful-arc").place, Place::Core);
    assert_eq!(place(&facts, "hawkins-kennedy").place, Place::Core);
    assert_eq!(place(&facts, "apprehension").place, Place::Optional);
    assert_eq!(view(&facts).plan.len(), known().tests.len());
    find(&mut facts, "painful-arc", word(Found::Familiar));
    assert_eq!(place(&facts, "painful-arc").place, Place::Done);
    for (question, value) in [(Vote::WorstPain, 8.0), (Vote::Night, 2.0), (Vote::Disability, 2.0)] {
        facts.exam_notes.push(ExamNote { id: Uuid::now_v7(), on: facts.today, fact: ExamFact::Irritability { question, value } });
    }
    assert_eq!(place(&facts, "hawkins-kennedy").place, Place::TooProvoking);
    let optional: Vec<PlanItem> = view(&facts).plan.into_iter().filter(|i| i.place == Place::Optional).collect();
    let rate = |i: &PlanItem| i.gain_bits / i.minutes;
    assert!(optional.len() > 20 && optional.windows(2).all(|w| rate(&w[0]) >= rate(&w[1]) - 1e-12), "ordered by bits per minute");

    // Six weeks after a repair hardly anything is allowed; a year later nearly everything.
    let barred =
        |day: i32| view(&shoulder(day)).plan.iter().filter(|i| i.place == Place::Barred).map(|i| i.test.clone()).collect::<Vec<_>>();
    let early = barred(38);
    for test in ["painful-arc", "empty-can", "apprehension", "hawkins-kennedy", "lift-off", "belly-press", "speed", "closed-chain-touches"]
    {
        assert!(early.contains(&test.to_owned()), "{test} at day 38");
    }
    assert!(!early.contains(&"axillary-sensation".to_owned()) && !early.contains(&"forward-head".to_owned()));
    let late = barred(360);
    assert!(late.len() < early.len() / 3, "{late:?}");
    assert!(view(&shoulder(38)).hypotheses.is_empty(), "no probabilities for an operated shoulder");
    assert!(view(&shoulder(38)).state.iter().any(|s| s.sign == "infection"));
}

#[test]
fn findings_raise_flags() {
    let raised = |facts: &Facts| view(facts).flags.iter().map(|f| f.flag.clone()).collect::<Vec<_>>();
    let mut facts = sore();
    assert_eq!(raised(&facts), Vec::<String>::new());
    facts.readings.retain(|r| r.quantity != "active-elevation-upright");
    measure(&mut facts, "active-elevation-upright", 60.0, StopReason::Weak);
    assert_eq!(raised(&facts), Vec::<String>::new(), "a gap alone is no flag here");
    find(&mut facts, "er-lag", TestAnswer::Number { value: 20.0 });
    assert_eq!(raised(&facts), ["acute-tear"]);
    facts.birth = "2000-01-01".parse().expect("a date");
    assert_eq!(raised(&facts), Vec::<String>::new(), "below forty the rule does not speak");
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
        facts.readings.push(Reading {
            id: Uuid::now_v7(),
            quantity: quantity.into(),
            side,
            value,
            stop: StopReason::Stiff,
            by: TakenBy::Clinician,
            on: facts.today,
            arc: None,
        });
    };
    // The worked thrower: other side 65 and 112, this side 45 and 125: deficit 20, total 170 against 177.
    assert_eq!(facts.story.side, Arm::Right);
    measure(&mut facts, "passive-ir-90", 45.0, StopReason::Stiff);
    measure(&mut facts, "passive-er-90", 125.0, StopReason::Stiff);
    other(&mut facts, "passive-ir-90", 65.0);
    other(&mut facts, "passive-er-90", 112.0);
    let seen = view(&facts).impairments;
    let of = |name: &str| seen.iter().find(|i| i.measure == name).unwrap_or_else(|| panic!("{name} in {seen:#?}"));
    assert_eq!((of("passive-ir-90").deficit, of("total-rotation").deficit), (20.0, 7.0));
    assert!(of("passive-ir-90").real && !of("total-rotation").real, "seven degrees over four readings is inside their error");
    assert_eq!(of("passive-ir-90").against, "other-side");
    facts.story.other_side = OtherSide::Affected;
    let seen = view(&facts).impairments;
    assert!(seen.iter().all(|i| i.against == "reference" && i.measure != "total-rotation"), "a sore other side is no measure");
    // Stopped at the permitted limit: at least that much, so no deficit.
    facts.readings.iter_mut().for_each(|r| r.stop = StopReason::AtLimit);
    assert!(view(&facts).impairments.is_empty());
}

#[test]
fn agreement_of_raters_matches_the_classic_table_and_a_statistics_package() {
    use ritorno_core::reliability::{ReliabilityError, reliability};
    for case in oracle()["icc"].as_array().expect("tables") {
        let table: Vec<Vec<f64>> = case["table"].as_array().expect("rows").iter().map(numbers).collect();
        let got = reliability(&table).expect("a sound table");
        for (mine, theirs) in [(got.icc_2_1, &case["icc_2_1"]), (got.icc_3_1, &case["icc_3_1"])] {
            let read = |key: &str| theirs[key].as_f64().expect("a number");
            assert!((mine.value - read("value")).abs() < 1e-9);
            // The package rounds its ends to two places.
            assert!((mine.low - read("low")).abs() < 0.0051 && (mine.high - read("high")).abs() < 0.0051, "{mine:?} against {theirs}");
        }
    }
    // Shrout and Fleiss 1979, six subjects and four judges: .29 and .71 as published (from memory).
    let classic: Vec<Vec<f64>> = oracle()["icc"][0]["table"].as_array().expect("rows").iter().map(numbers).collect();
    let got = reliability(&classic).expect("sound");
    assert_eq!((format!("{:.2}", got.icc_2_1.value), format!("{:.2}", got.icc_3_1.value)), ("0.29".into(), "0.71".into()));
    assert!((got.mdc95 - 1.96 * 2f64.sqrt() * got.sem).abs() < 1e-12 && got.sem > got.sem_same_rater);
    assert_eq!(reliability(&vec![vec![1.0, 2.0]; 3]), Err(ReliabilityError::NoSpread));
    assert!(matches!(reliability(&[vec![1.0, 2.0], vec![2.0], vec![3.0, 1.0]]), Err(ReliabilityError::Ragged { row: 1, .. })));
    assert!(matches!(
        reliability(&[vec![1.0, f64::NAN], vec![2.0, 2.0], vec![3.0, 1.0]]),
        Err(ReliabilityError::NotANumber { row: 0, rater: 1 })
    ));
}

#[test]
fn change_has_careful_words_and_the_clinic_may_bring_its_own_error() {
    use ChangeWord::*;
    for (change, word) in [(5.0, WithinError), (11.0, PossiblyImportant), (-13.0, RealAndWorthwhile), (12.0, RealAndWorthwhile)] {
        assert_eq!(change_word(change, 12.0, 10.0), word, "{change}");
    }
    assert_eq!(change_word(9.0, 6.0, 10.0), Real);
    let mut facts = sore();
    facts.readings.iter_mut().for_each(|r| r.on = on(1));
    measure(&mut facts, "passive-elevation", 148.0, StopReason::Stiff);
    let change = |facts: &Facts| view(facts).changes.into_iter().find(|c| c.quantity == "passive-elevation").expect("measured twice");
    let seen = change(&facts);
    assert_eq!((seen.before, seen.now, seen.word, seen.worse), (165.0, 148.0, RealAndWorthwhile, true));
    assert!((seen.detectable - 8.0 * 2f64.sqrt()).abs() < 1e-9 && seen.act.is_some(), "17 degrees lost: repeat now");
    // Taken at home against taken in the room: half as much again.
    facts.readings.last_mut().expect("one").by = TakenBy::Patient;
    assert!((change(&facts).detectable - 12.0 * 2f64.sqrt()).abs() < 1e-9);
    facts.clinic_errors.push(ClinicError { quantity: "passive-elevation".into(), sem: 7.0, sem_same_rater: 3.0, on: on(1) });
    let own = change(&facts);
    assert!(own.own_error && (own.detectable - 1.96 * 2f64.sqrt() * 7.0).abs() < 1e-9 && own.word == PossiblyImportant);
    // What stopped at the permitted limit is at least that much and enters no change.
    facts.readings.last_mut().expect("one").stop = StopReason::AtLimit;
    assert!(view(&facts).changes.iter().all(|c| c.quantity != "passive-elevation"));
}

#[test]
fn scores_follow_their_published_formulas() {
    // Worked: 24 touches, 1.75 m, 75 kg → 0.348 touches an inch, 81.6 kg·touches/s.
    assert!((touches_by_height(24.0, 175.0) - 0.348).abs() < 5e-4);
    assert!((touch_power(24.0, 75.0) - 81.6).abs() < 1e-9);
    // Every item alone, and all together: 2 + 2 + 1 + 1 + 2 + 2.
    use Severity::*;
    assert_eq!(instability_severity(20, true, &Severity::ALL), 10);
    assert_eq!(instability_severity(21, false, &[]), 0);
    for (item, points) in [(Competition, 2), (ContactOrOverhead, 1), (HeadNotch, 2), (RimLoss, 2)] {
        assert_eq!(instability_severity(30, false, &[item]), points);
    }
    assert_eq!([10, 13, 50, 51].map(laxity_bound), [6.0, 5.0, 5.0, 4.0]);
    let score = |facts: &Facts, name: &str| view(facts).worked_out.into_iter().find(|w| w.score == name).map(|w| w.reason.rule);
    let mut facts = sore();
    find(&mut facts, "laxity-score", TestAnswer::Number { value: 5.0 });
    assert_eq!(score(&facts, "laxity").as_deref(), Some("laxity-general"), "48 years old: from 5");
    let item = |item, present| ExamNote { id: Uuid::now_v7(), on: on(3), fact: ExamFact::Instability { item, present } };
    facts.exam_notes.push(item(Competition, true));
    assert_eq!(score(&facts, "instability-severity").as_deref(), Some("severity-incomplete"));
    for s in [ContactOrOverhead, HeadNotch, RimLoss] {
        facts.exam_notes.push(item(s, true));
    }
    assert_eq!(score(&facts, "instability-severity").as_deref(), Some("severity-high"), "2 + 1 + 2 + 2 = 7");
    // The order of winging: nerve, opposing, rounding, control, strength.
    find(&mut facts, "blade-lowering", word(Found::Obvious));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-control"));
    find(&mut facts, "wall-push-winging", word(Found::Obvious));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-strength"));
    find(&mut facts, "rounded-shoulder", word(Found::Obvious));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-rounding"));
    find(&mut facts, "winging-opposing-tightness", word(Found::Subtle));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-opposing"));
    find(&mut facts, "long-thoracic-nerve", word(Found::Yes));
    assert_eq!(score(&facts, "winging").as_deref(), Some("winging-nerve"));
}
