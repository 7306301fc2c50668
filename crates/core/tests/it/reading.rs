//! Measurement against independent numbers: adaptive integration, published clusters, enumeration, and the properties of the model.

use crate::examined::{find, model, of, sore, view, word};
use crate::shoulder::known;
use proptest::prelude::*;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Found, Setting};
use ritorno_core::reading::*;
use serde_json::Value;
use std::sync::OnceLock;
use uuid::Uuid;

fn oracle() -> &'static Value {
    static ORACLE: OnceLock<Value> = OnceLock::new();
    ORACLE.get_or_init(|| {
        serde_json::from_str(include_str!("../oracles/reading.json")).expect("the frozen answers")
    })
}

fn numbers(value: &Value) -> Vec<f64> {
    value
        .as_array()
        .expect("a list")
        .iter()
        .map(|v| v.as_f64().expect("a number"))
        .collect()
}

#[test]
fn likelihoods_of_groups_agree_with_adaptive_integration() {
    for group in oracle()["groups"].as_array().expect("groups") {
        let (s, f) = (
            numbers(&group["sensitivity"]),
            numbers(&group["false_positive"]),
        );
        let loading = group["rho"].as_f64().expect("ρ").sqrt();
        let members = s
            .iter()
            .zip(&f)
            .map(|(s, f)| Member::new(*s, *f, loading))
            .collect();
        let built = GroupModel::new(members);
        for cell in group["cells"].as_array().expect("cells") {
            let pattern: Vec<Option<bool>> = cell["pattern"]
                .as_array()
                .expect("pattern")
                .iter()
                .map(Value::as_bool)
                .collect();
            let (with, without) = built.likelihoods(&pattern);
            for (got, wanted) in [(with, &cell["with"]), (without, &cell["without"])] {
                let wanted = wanted.as_f64().expect("a number");
                assert!(
                    (got - wanted).abs() < 1e-6,
                    "{} {pattern:?}: {got} against {wanted}",
                    group["name"]
                );
            }
        }
    }
}

#[test]
fn the_interval_of_one_test_agrees_with_integration_over_both_beta_variables() {
    // Spurling +, neck turning −: the counts of the oracle are the rows' own, one study each, as if all places were alike.
    let mut alike = known().clone();
    for test in &mut alike.tests {
        test.accuracy.iter_mut().for_each(|row| row.studies.clear());
    }
    let spread = alike.thresholds.get_mut("between-studies-spread");
    spread.expect("a row").value = 0.0;
    let studies = ReadingModel::new(&alike);
    let about = known().hypothesis("cervical-referral").expect("known");
    let cases = [
        ("spurling", Found::Familiar),
        ("neck-rotation-60", Found::No),
    ];
    for ((test, found), case) in cases
        .into_iter()
        .zip(oracle()["intervals"].as_array().expect("intervals"))
    {
        let mut facts = sore();
        facts.exam_notes.push(ExamNote {
            id: Uuid::nil(),
            on: facts.today,
            fact: ExamFact::PreTest {
                hypothesis: about.id.clone(),
                probability: 0.5,
                reason: "even".into(),
            },
        });
        find(&mut facts, test, word(found));
        let weighed = view(&facts).findings;
        let got = read_hypothesis(&alike, &studies, about, &facts, &weighed);
        let odds = |p: f64| p / (1.0 - p);
        // At even odds the odds are the ratio itself. 2,000 draws place an end within about a tenth.
        for (end, wanted) in [(got.low, &case["low"]), (got.high, &case["high"])] {
            let wanted = wanted.as_f64().expect("a number");
            assert!(
                (odds(end) / wanted).ln().abs() < 0.12,
                "{test}: {} against {wanted}",
                odds(end)
            );
        }
        // Places are not alike: the page's interval holds the one of the counts.
        let shown = of(&view(&facts), "cervical-referral").clone();
        assert!(shown.high / shown.low > got.high / got.low, "{test}");
    }
}

#[test]
fn published_clusters_are_the_headline_and_the_model_stands_beside_them() {
    // Park 2005 (from memory): 10.56, 5.03, 0.90, 0.17 for 3, 2, 1, 0 of three.
    let tests = [
        ("hawkins-kennedy", Found::Familiar, Found::Nothing),
        ("painful-arc", Found::Familiar, Found::Nothing),
        ("resisted-er", Found::WeakPainful, Found::StrongPainless),
    ];
    let published = [0.17, 0.90, 5.03, 10.56];
    for positives in 0..=3usize {
        let mut facts = sore();
        facts.story.setting = Setting::Specialist;
        for (i, (test, yes, no)) in tests.iter().enumerate() {
            find(
                &mut facts,
                test,
                word(if i < positives { *yes } else { *no }),
            );
        }
        let seen = view(&facts);
        let subacromial = of(&seen, "subacromial-pain");
        let cluster = subacromial
            .cluster
            .as_ref()
            .expect("exactly the members were done");
        assert_eq!(
            (cluster.positive, cluster.ratio),
            (positives, published[positives])
        );
        let ratio_of = |p: f64| p / (1.0 - p) / (0.65 / 0.35);
        let shown = ratio_of(subacromial.probability);
        // One or two of three are averages over patterns: what the signs that are there say by themselves is not raised by one that
        // is absent, whatever was published of the average.
        let mut one_less = facts.clone();
        one_less.findings.retain(|f| f.test != "resisted-er");
        let without = ratio_of(of(&view(&one_less), "subacromial-pain").probability);
        let expected = if positives == 3 {
            published[3]
        } else {
            published[positives].min(without)
        };
        assert!(
            (shown / expected).ln().abs() < 1e-9,
            "{positives}: {shown} against {expected}"
        );
        assert_eq!(
            expected == published[positives],
            positives == 0 || positives == 3,
            "one and two of three are held"
        );
        // One more test: what was studied stays, and its absence adds what it adds in the model.
        let before = subacromial.probability;
        find(&mut facts, "neer", word(Found::Nothing));
        let more = view(&facts);
        let more = of(&more, "subacromial-pain");
        assert_eq!(
            more.cluster.as_ref().map(|c| c.ratio),
            Some(published[positives])
        );
        assert!(more.probability < before);
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
        assert!(
            (after_ratio(pre, ratio) - post).abs() < 5e-5,
            "{pre} × {ratio}"
        );
    }
    assert_eq!((after_ratio(0.0, 9.0), after_ratio(1.0, 0.1)), (0.0, 1.0));
}

#[test]
fn information_gain_equals_brute_force_enumeration() {
    let mut facts = sore();
    find(&mut facts, "painful-arc", word(Found::Familiar));
    find(&mut facts, "neer", word(Found::Nothing));
    let seen = view(&facts);
    let used: Vec<&Weighed> = seen
        .findings
        .iter()
        .filter(|w| w.unused.is_none())
        .collect();
    for (hypothesis, test) in [
        ("subacromial-pain", "hawkins-kennedy"),
        ("subacromial-pain", "resisted-er"),
        ("full-thickness-cuff-tear", "drop-arm"),
        ("full-thickness-cuff-tear", "full-can"),
    ] {
        let group = model()
            .groups(hypothesis)
            .iter()
            .find(|g| g.tests.iter().any(|t| t == test))
            .expect("a group");
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
        let got =
            gain_bits(known(), model(), hypothesis, p, &used, test).expect("it speaks for it");
        // What speaks in another group counts for less, and so tells less.
        let same_group = group.tests.iter().any(|t| t == "painful-arc");
        let holds = if same_group {
            (got - brute).abs() < 1e-9
        } else {
            got < brute
        };
        assert!(
            holds && got > 0.0,
            "{hypothesis} {test}: {got} against {brute}"
        );
    }
}

/// Word answers of the impingement signs, by number.
fn sign(test: usize, answer: u8) -> (&'static str, TestAnswer) {
    let pain = [Found::Familiar, Found::OtherPain, Found::Nothing];
    let push = [
        Found::WeakPainful,
        Found::StrongPainful,
        Found::StrongPainless,
    ];
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
        facts.measurements.retain(|r| r.quantity != "passive-er-90");
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
fn agreement_of_raters_matches_the_classic_table_and_a_statistics_package() {
    use ritorno_core::ranges::{ReliabilityError, reliability};
    for case in oracle()["icc"].as_array().expect("tables") {
        let table: Vec<Vec<f64>> = case["table"]
            .as_array()
            .expect("rows")
            .iter()
            .map(numbers)
            .collect();
        let got = reliability(&table, known().agreement_bands()).expect("a sound table");
        for (mine, theirs) in [
            (got.icc_2_1, &case["icc_2_1"]),
            (got.icc_3_1, &case["icc_3_1"]),
        ] {
            let read = |key: &str| theirs[key].as_f64().expect("a number");
            assert!((mine.value - read("value")).abs() < 1e-9);
            // The package rounds its ends to two places.
            assert!(
                (mine.low - read("low")).abs() < 0.0051
                    && (mine.high - read("high")).abs() < 0.0051,
                "{mine:?} against {theirs}"
            );
        }
    }
    let bands = known().agreement_bands();
    // Shrout and Fleiss 1979, six subjects and four judges: .29 and .71 as published (from memory).
    let classic: Vec<Vec<f64>> = oracle()["icc"][0]["table"]
        .as_array()
        .expect("rows")
        .iter()
        .map(numbers)
        .collect();
    let got = reliability(&classic, bands).expect("sound");
    assert_eq!(
        (
            format!("{:.2}", got.icc_2_1.value),
            format!("{:.2}", got.icc_3_1.value)
        ),
        ("0.29".into(), "0.71".into())
    );
    assert!(
        (got.mdc95 - 1.96 * 2f64.sqrt() * got.sem).abs() < 1e-12 && got.sem > got.sem_same_rater
    );
    // From its mean squares (32.49 of judges, 1.02 of the rest, six subjects): √((32.49 − 1.02)/6 + 1.02) and √1.02.
    assert_eq!(
        (
            format!("{:.2}", got.sem),
            format!("{:.2}", got.sem_same_rater)
        ),
        ("2.50".into(), "1.01".into())
    );
    assert_eq!(
        got.bands, bands,
        "the picture draws what the words are told by"
    );
    assert_eq!(
        reliability(&vec![vec![1.0, 2.0]; 3], bands),
        Err(ReliabilityError::NoSpread)
    );
    assert!(matches!(
        reliability(&[vec![1.0, 2.0], vec![2.0], vec![3.0, 1.0]], bands),
        Err(ReliabilityError::Ragged { row: 1, .. })
    ));
    assert!(matches!(
        reliability(
            &[vec![1.0, f64::NAN], vec![2.0, 2.0], vec![3.0, 1.0]],
            bands
        ),
        Err(ReliabilityError::NotANumber { row: 0, rater: 1 })
    ));
}

#[test]
fn no_positive_answer_lowers_a_reading_whatever_else_was_done() {
    // The loader looks at every pattern in which all members were done; here each member may also be missing.
    for hypothesis in &known().hypotheses {
        for group in model().groups(&hypothesis.id) {
            let n = group.tests.len() as u32;
            for code in 0..3usize.pow(n) {
                let mut answers: Vec<Option<bool>> = (0..n)
                    .map(|i| [None, Some(false), Some(true)][code / 3usize.pow(i) % 3])
                    .collect();
                for i in (0..n as usize).filter(|i| group.point.informative(*i)) {
                    if answers[i] == Some(false) {
                        let before = group.log_ratio(&answers);
                        answers[i] = Some(true);
                        let after = group.log_ratio(&answers);
                        assert!(
                            after >= before - 1e-9,
                            "{}: {} in {answers:?}",
                            hypothesis.id,
                            group.tests[i]
                        );
                        answers[i] = Some(false);
                    }
                }
            }
        }
    }
}

proptest! {
    #[test]
    fn agreement_knows_nothing_of_zero_or_unit_and_a_steady_rater_costs_consistency_nothing(
        table in proptest::collection::vec(proptest::collection::vec(60.0f64..170.0, 3), 4..12),
        shift in -50.0f64..50.0, scale in 0.2f64..5.0, bias in 1.0f64..40.0,
    ) {
        use ritorno_core::ranges::reliability;
        let base = reliability(&table, known().agreement_bands()).expect("random people differ");
        let moved: Vec<Vec<f64>> = table.iter().map(|r| r.iter().map(|v| v * scale + shift).collect()).collect();
        let other = reliability(&moved, known().agreement_bands()).expect("still differ");
        prop_assert!((base.icc_2_1.value - other.icc_2_1.value).abs() < 1e-9 && (base.icc_3_1.value - other.icc_3_1.value).abs() < 1e-9);
        prop_assert!((base.sem * scale - other.sem).abs() < 1e-7 * other.sem.max(1.0), "SEM follows the unit");
        // The published interval is an approximation that need not hold a value below zero, where no agreement is left anyway.
        let around = base.icc_2_1.value < 0.0 || (base.icc_2_1.low <= base.icc_2_1.value + 1e-9 && base.icc_2_1.value <= base.icc_2_1.high + 1e-9);
        prop_assert!(around, "{:?}", base.icc_2_1);
        // One rater reads everybody higher by the same amount: these raters stay as consistent as they were.
        let biased: Vec<Vec<f64>> = table.iter().map(|r| vec![r[0] + bias, r[1], r[2]]).collect();
        prop_assert!((reliability(&biased, known().agreement_bands()).expect("differ").icc_3_1.value - base.icc_3_1.value).abs() < 1e-9);
    }

    #[test]
    fn a_probability_stays_inside_its_interval_and_follows_its_pre_test_value(answers in proptest::collection::vec(0u8..3, 6), low in 0.05f64..0.5, more in 0.0f64..0.45) {
        let at = |pre: f64| {
            let mut facts = sore();
            for (i, a) in answers.iter().enumerate() {
                let (test, answer) = sign(i, *a);
                find(&mut facts, test, answer);
            }
            let fact = ExamFact::PreTest { hypothesis: "subacromial-pain".into(), probability: pre, reason: "any".into() };
            facts.exam_notes.push(ExamNote { id: Uuid::nil(), on: facts.today, fact });
            of(&view(&facts), "subacromial-pain").clone()
        };
        let (lower, higher) = (at(low), at(low + more));
        prop_assert!(lower.low <= lower.probability && lower.probability <= lower.high);
        prop_assert!(higher.probability >= lower.probability - 1e-12 && higher.low >= lower.low - 1e-12);
    }
}
