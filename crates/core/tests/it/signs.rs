//! A sign that speaks for a condition never makes it less likely, its absence never more, whatever else was done and published.

use crate::examined::{find, model, of, sore, view};
use crate::population::answer;
use crate::shoulder::known;
use proptest::prelude::*;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Accuracy, ClinicalTest, Setting, TestKind};
use ritorno_core::reading::pre_test;

/// Tests that speak for a hypothesis better than chance, with their rows.
fn rows(hypothesis: &str) -> Vec<(&'static ClinicalTest, &'static Accuracy)> {
    let all = known().tests.iter();
    all.filter_map(|test| {
        let row = test.accuracy.iter().find(|a| a.hypothesis == hypothesis)?;
        (row.point_sensitivity() > row.point_false_positive()).then_some((test, row))
    })
    .collect()
}

fn logit(p: f64) -> f64 {
    (p / (1.0 - p)).ln()
}

fn record(tests: &[(&ClinicalTest, &Accuracy)], pattern: &[Option<bool>]) -> Facts {
    let mut facts = sore();
    for ((test, row), yes) in tests.iter().zip(pattern) {
        if let Some(yes) = yes {
            find(&mut facts, &test.id, answer(test, row, *yes));
        }
    }
    facts
}

/// What the page shows, in ln of odds. Another criterion that comes first shows no number.
fn shown(hypothesis: &str, tests: &[(&ClinicalTest, &Accuracy)], pattern: &[Option<bool>]) -> f64 {
    logit(of(&view(&record(tests, pattern)), hypothesis).probability)
}

#[test]
fn in_every_group_each_answer_moves_the_right_way_from_where_the_others_stand() {
    let mut patterns = 0;
    for hypothesis in &known().hypotheses {
        for group in model().groups(&hypothesis.id) {
            let n = group.tests.len() as u32;
            for code in 0..3usize.pow(n) {
                let answers: Vec<Option<bool>> = (0..n)
                    .map(|i| [None, Some(false), Some(true)][code / 3usize.pow(i) % 3])
                    .collect();
                let with = group.log_ratio(&answers);
                patterns += 1;
                for i in 0..n as usize {
                    let Some(yes) = answers[i] else { continue };
                    let mut less = answers.clone();
                    less[i] = None;
                    let moved = with - group.log_ratio(&less);
                    let expected = if yes == group.point.informative(i) {
                        moved
                    } else {
                        -moved
                    };
                    assert!(
                        expected >= -1e-12,
                        "{}: {} moves {moved} in {answers:?}",
                        hypothesis.id,
                        group.tests[i]
                    );
                }
            }
        }
    }
    assert!(patterns > 20_000, "only {patterns} patterns");
}

#[test]
fn around_every_published_cluster_no_pattern_turns_a_sign_against_itself() {
    for cluster in &known().clusters {
        let all = rows(&cluster.hypothesis);
        // The members, and one test more that is not among them.
        let mut tests: Vec<_> = all
            .iter()
            .filter(|(t, _)| cluster.tests.contains(&t.id))
            .copied()
            .collect();
        assert_eq!(tests.len(), cluster.tests.len(), "{}", cluster.id);
        tests.extend(
            all.iter()
                .find(|(t, _)| !cluster.tests.contains(&t.id))
                .copied(),
        );
        let n = tests.len() as u32;
        let pattern = |code: usize| -> Vec<Option<bool>> {
            let digit = |i: u32| code / 3usize.pow(i) % 3;
            (0..n)
                .map(|i| [None, Some(false), Some(true)][digit(i)])
                .collect()
        };
        let values: Vec<f64> = (0..3usize.pow(n))
            .map(|code| shown(&cluster.hypothesis, &tests, &pattern(code)))
            .collect();
        for code in 0..values.len() {
            for i in 0..n {
                let place = 3usize.pow(i);
                let less = code - code / place % 3 * place;
                match code / place % 3 {
                    1 => assert!(
                        values[code] <= values[less] + 1e-9,
                        "{}: no {} raises {:?}",
                        cluster.id,
                        tests[i as usize].0.id,
                        pattern(code)
                    ),
                    2 => assert!(
                        values[code] >= values[less] - 1e-9,
                        "{}: {} lowers {:?}",
                        cluster.id,
                        tests[i as usize].0.id,
                        pattern(code)
                    ),
                    _ => {}
                }
            }
        }
    }
}

#[test]
fn a_cell_that_nobody_published_is_the_models() {
    // Farber 2006 (from memory) gives "both" 39.68 and "not both" 0.19: neither none nor exactly one of two has a number of its own.
    let tests: Vec<_> = rows("anterior-instability")
        .into_iter()
        .filter(|(t, _)| ["apprehension", "relocation"].contains(&t.id.as_str()))
        .collect();
    assert_eq!(tests.len(), 2);
    let used = |pattern: [bool; 2]| {
        let facts = record(&tests, &pattern.map(Some));
        of(&view(&facts), "anterior-instability")
            .cluster
            .as_ref()
            .map(|c| c.ratio)
    };
    assert_eq!(used([true, true]), Some(39.68));
    for pattern in [[true, false], [false, true], [false, false]] {
        assert_eq!(used(pattern), None, "{pattern:?}");
    }
}

#[test]
fn a_published_cluster_brings_the_interval_of_its_own_counts() {
    // Wainner 2003 (from memory): three of four 6.1 (2.0 to 18.6), four of four 30.3 (1.7 to 538).
    let cluster = known().clusters.iter().find(|c| c.id == "neck-four");
    let cluster = cluster.expect("a row");
    let tests: Vec<_> = rows(&cluster.hypothesis)
        .into_iter()
        .filter(|(t, _)| cluster.tests.contains(&t.id))
        .collect();
    for (positive, ratio, low, high) in [(3, 6.1, 2.0, 18.6), (4, 30.3, 1.7, 538.0)] {
        let pattern: Vec<Option<bool>> = (0..4).map(|i| Some(i < positive)).collect();
        let facts = record(&tests, &pattern);
        let seen = view(&facts);
        let h = of(&seen, &cluster.hypothesis);
        let from = logit(h.pre.probability);
        let told = h.cluster.as_ref().expect("published");
        assert_eq!((told.positive, told.ratio), (positive, ratio));
        for (end, published) in [(h.low, low), (h.high, high)] {
            let ratio = (logit(end) - from).exp();
            assert!(
                (ratio / published).ln().abs() < f64::ln(1.4),
                "{positive} of 4: {ratio:.2} against {published}"
            );
        }
    }
}

#[test]
fn what_could_not_be_worked_out_is_refused_at_load() {
    use super::knowledge::{refused, with};
    refused(
        "clusters.toml",
        "with = 0.81",
        "with = 1.81",
        "apprehension-relocation",
        "cells",
    );
    refused(
        "clusters.toml",
        "n_with = 46.0",
        "n_with = 0.0",
        "apprehension-relocation",
        "n_with",
    );
    // Three to the power of twenty patterns would be no reading: a group says how many tests it may hold.
    let file = "tests/labrum.toml";
    let texts = super::shoulder::files();
    let text = &texts.iter().find(|f| f.name == file).expect("a file").text;
    let rows = text.split("[[test]]\n").skip(1);
    let mut of_group = rows.filter(|row| row.contains("group = \"labral-signs\""));
    let row = of_group.next().expect("a test of the group");
    let id = row.lines().next().expect("its id");
    let more: String = (0..11)
        .map(|n| {
            format!(
                "[[test]]\n{}",
                row.replacen(id, &format!("id = \"again-{n}\""), 1)
            )
        })
        .collect();
    let faults = with(file, "[[test]]\n", &format!("{more}[[test]]\n"));
    assert!(
        faults
            .iter()
            .any(|f| f.row == "superior-labrum" && f.field == "group.labral-signs"),
        "{faults:#?}"
    );
}

/// A person before the examination.
fn person(setting: Setting, start: Start, complaint: Option<Complaint>, age: i32) -> Facts {
    let mut facts = sore();
    facts.story.setting = setting;
    facts.story.start = start;
    facts.story.complaint = complaint;
    let months = u32::try_from(age * 12 + 1).expect("an age");
    facts.birth = facts.today - chrono::Months::new(months);
    facts
}

#[test]
fn before_the_examination_an_injury_never_lowers_a_tear_and_age_never_does() {
    let complaints = [
        None,
        Some(Complaint::Raising),
        Some(Complaint::Weakness),
        Some(Complaint::Slipping),
    ];
    for id in ["full-thickness-cuff-tear", "subscapularis-tear"] {
        let tear = known().hypothesis(id).expect("a row");
        for setting in [Setting::Primary, Setting::Specialist] {
            for complaint in complaints {
                let at = |start: Start, age: i32| {
                    let facts = person(setting, start, complaint, age);
                    pre_test(known(), tear, &facts).probability
                };
                for age in 15..=95 {
                    let (own, injured) = (at(Start::Gradual, age), at(Start::Injury, age));
                    assert!(
                        injured >= own,
                        "{id} at {age}: {injured} after an injury, {own} without"
                    );
                    for start in [Start::Gradual, Start::Injury] {
                        assert!(
                            at(start, age + 1) >= at(start, age),
                            "{id} after {age}, {start:?}"
                        );
                    }
                }
            }
        }
    }
}

#[test]
fn the_most_specific_row_gives_the_pre_test_value() {
    let conditions = |row: &ritorno_core::knowledge::Prior| {
        usize::from(row.setting.is_some())
            + usize::from(row.trauma.is_some())
            + usize::from(row.complaint.is_some())
            + usize::from(row.lax.is_some())
    };
    for hypothesis in &known().hypotheses {
        for setting in [Setting::Primary, Setting::Specialist] {
            for start in [Start::Gradual, Start::Injury] {
                for complaint in [None, Some(Complaint::Slipping)] {
                    for age in [16, 29, 34, 39, 45, 55, 65, 75, 85] {
                        let facts = person(setting, start, complaint, age);
                        let fits = hypothesis.prior.iter().filter(|p| {
                            p.setting.is_none_or(|s| s == setting)
                                && p.trauma.is_none_or(|t| t == (start == Start::Injury))
                                && p.lax.is_none_or(|l| !l)
                                && p.complaint.is_none()
                                    | (p.complaint.as_deref() == Some("slipping")
                                        && complaint.is_some())
                                && age >= p.age_from as i32
                                && p.age_below.is_none_or(|b| age < b as i32)
                        });
                        let most = fits
                            .clone()
                            .map(conditions)
                            .max()
                            .expect("a row for anybody");
                        let told = pre_test(known(), hypothesis, &facts).probability;
                        let mut best = fits.filter(|p| conditions(p) == most);
                        assert!(
                            best.any(|p| p.probability == told),
                            "{}: {told} at {age}, {setting:?}, {start:?}, {complaint:?}",
                            hypothesis.id
                        );
                    }
                }
            }
        }
    }
}

proptest! {
    #[test]
    fn the_steps_add_up_to_the_headline_and_no_further_sign_works_against_itself(
        at in 0usize..100, codes in prop::collection::vec(0usize..3, 16), next in 0usize..16
    ) {
        let hypothesis = &known().hypotheses[at % known().hypotheses.len()].id;
        let tests = rows(hypothesis);
        prop_assume!(!tests.is_empty());
        // A stiff pattern or a missing measurement may leave a finding unused: then nothing moves at all.
        let tests: Vec<_> = tests.into_iter().filter(|(t, _)| t.kind != TestKind::Measure).take(16).collect();
        prop_assume!(!tests.is_empty());
        let mut pattern: Vec<Option<bool>> = codes.iter().map(|c| [None, Some(false), Some(true)][*c]).collect();
        pattern.truncate(tests.len());
        let i = next % tests.len();
        pattern[i] = None;
        let facts = record(&tests, &pattern);
        let seen = view(&facts);
        let h = of(&seen, hypothesis);
        let moved: f64 = h.steps.iter().map(|s| s.log_ratio).sum::<f64>() + h.cluster.as_ref().map_or(0.0, |c| c.log_move);
        if !h.withheld {
            prop_assert!((logit(h.pre.probability) + moved - logit(h.probability)).abs() < 1e-9, "{hypothesis}: {moved}");
            prop_assert!(h.low <= h.probability && h.probability <= h.high);
        }
        let before = logit(h.probability);
        pattern[i] = Some(true);
        let yes = shown(hypothesis, &tests, &pattern);
        pattern[i] = Some(false);
        let no = shown(hypothesis, &tests, &pattern);
        prop_assert!(no <= before + 1e-9 && before <= yes + 1e-9, "{hypothesis}, {}: {no} {before} {yes}", tests[i].0.id);
    }
}
