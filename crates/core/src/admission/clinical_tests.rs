//! Checks of the clinical tests: every name exists, every share is a share, no group reads backwards.

use super::error::KnowledgeError;
use super::names::PLAIN_SOURCES;
use crate::knowledge::{Accuracy, ClinicalTest, Found, Hypothesis, Knowledge, TestKind};
use crate::reading::{GroupModel, Member};

/// Tests of one group at most: every pattern of their answers is worked out, three to the power of their number.
const MOST_IN_GROUP: usize = 10;

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    let mut fault = |file: &str, row: &str, field: &str, problem: String| {
        faults.push(KnowledgeError::at(file, row, field, problem))
    };
    let sourced = |text: &str| PLAIN_SOURCES.contains(&text) || known.references.contains_key(text);
    for hypothesis in &known.hypotheses {
        let mut say =
            |field: &str, problem: String| fault("hypotheses.toml", &hypothesis.id, field, problem);
        check_hypothesis(hypothesis, &sourced, &mut say);
        for group in &hypothesis.group {
            let rows = known.tests.iter().flat_map(|t| &t.accuracy);
            let size = rows
                .filter(|a| a.hypothesis == hypothesis.id && a.group == group.id)
                .count();
            if size > MOST_IN_GROUP {
                say(
                    &format!("group.{}", group.id),
                    format!("{size} tests are too many: {MOST_IN_GROUP} at most"),
                );
            }
        }
    }
    for test in &known.tests {
        let file = format!("tests/{}.toml", test.region);
        let mut say = |field: &str, problem: String| fault(&file, &test.id, field, problem);
        check_test(known, test, &sourced, &mut say);
    }
    for cluster in &known.clusters {
        let mut say =
            |field: &str, problem: String| fault("clusters.toml", &cluster.id, field, problem);
        if !sourced(&cluster.source) {
            say(
                "source",
                format!("`{}` is not in references.toml", cluster.source),
            );
        }
        for id in &cluster.tests {
            let speaks = known.test(id).is_some_and(|t| {
                t.accuracy
                    .iter()
                    .any(|a| a.hypothesis == cluster.hypothesis)
            });
            if !speaks {
                say(
                    "tests",
                    format!("`{id}` has no accuracy row for `{}`", cluster.hypothesis),
                );
            }
        }
        if [cluster.n_with, cluster.n_without]
            .into_iter()
            .flatten()
            .any(|n| n < 1.0)
        {
            say("n_with", "at least one person was studied".to_owned());
        }
        for cell in &cluster.cells {
            let shares = [cell.with, cell.without].into_iter().flatten();
            for share in shares.filter(|s| !(*s > 0.0 && *s <= 1.0)) {
                say("cells", format!("a share of {share} is outside 0 to 1"));
            }
            if cell.positive > cluster.tests.len() || !(cell.ratio > 0.0 && cell.ratio.is_finite())
            {
                say(
                    "cells",
                    format!(
                        "{} positive with ratio {} cannot be",
                        cell.positive, cell.ratio
                    ),
                );
            }
        }
    }
    if faults.is_empty() {
        for (hypothesis, group, weak, cell) in backward_cells(known) {
            let problem = format!(
                "group `{group}` of `{hypothesis}`: a positive answer lowers the reading when {cell}; give it a lower loading"
            );
            faults.push(KnowledgeError::at(
                &file_of(known, &weak),
                &weak,
                "loading",
                problem,
            ));
        }
    }
}

fn check_hypothesis(
    hypothesis: &Hypothesis,
    sourced: &impl Fn(&str) -> bool,
    say: &mut impl FnMut(&str, String),
) {
    if !sourced(&hypothesis.source) {
        say(
            "source",
            format!("`{}` is not in references.toml", hypothesis.source),
        );
    }
    if hypothesis.consequence <= 0.0 {
        say("consequence", "must be above 0".to_owned());
    }
    for (i, prior) in hypothesis.prior.iter().enumerate() {
        if !(prior.probability > 0.0 && prior.probability < 1.0) {
            say(
                &format!("prior[{i}].probability"),
                format!("{} is not strictly between 0 and 1", prior.probability),
            );
        }
        if !sourced(&prior.source) {
            say(
                &format!("prior[{i}].source"),
                format!("`{}` is not in references.toml", prior.source),
            );
        }
    }
    let open = |p: &crate::knowledge::Prior| {
        p.setting.is_none() && p.trauma.is_none() && p.age_from == 0 && p.age_below.is_none()
    };
    if !hypothesis.prior.last().is_some_and(open) {
        say("prior", "the last row must fit everybody".to_owned());
    }
    for group in &hypothesis.group {
        if !(0.0..=0.6).contains(&group.rho) {
            say(
                &format!("group.{}.rho", group.id),
                format!("{} is outside 0 to 0.6", group.rho),
            );
        }
        if !sourced(&group.source) {
            say(
                &format!("group.{}.source", group.id),
                format!("`{}` is not in references.toml", group.source),
            );
        }
    }
}

fn check_test(
    known: &Knowledge,
    test: &ClinicalTest,
    sourced: &impl Fn(&str) -> bool,
    say: &mut impl FnMut(&str, String),
) {
    if !sourced(&test.source) {
        say(
            "source",
            format!("`{}` is not in references.toml", test.source),
        );
    }
    if !(test.minutes > 0.0 && test.minutes <= 10.0) {
        say("minutes", format!("{} is outside 0 to 10", test.minutes));
    }
    if test.provocation > 3 {
        say("provocation", format!("{} is above 3", test.provocation));
    }
    for need in test
        .needs
        .iter()
        .filter(|need| known.quantity(&need.quantity).is_none())
    {
        say("needs", format!("no quantity `{}`", need.quantity));
    }
    for (i, key) in test.path.iter().enumerate() {
        if key.pose().is_none() {
            say(
                &format!("path[{i}]"),
                "give exactly one of twist_deg and clinic_rotation_deg".to_owned(),
            );
        }
    }
    let numeric = matches!(
        test.kind,
        TestKind::Lag | TestKind::Laxity | TestKind::Measure
    );
    if numeric && !matches!((test.min, test.max), (Some(low), Some(high)) if low < high) {
        say("min", "a number needs min below max".to_owned());
    }
    let mut seen = Vec::new();
    for (i, row) in test.accuracy.iter().enumerate() {
        let mut at = |field: &str, problem: String| say(&format!("accuracy[{i}].{field}"), problem);
        check_accuracy(known, test, row, numeric, sourced, &mut at);
        if seen.contains(&&row.hypothesis) {
            at(
                "hypothesis",
                format!("`{}` has a row already: choose one", row.hypothesis),
            );
        }
        seen.push(&row.hypothesis);
    }
}

fn check_accuracy(
    known: &Knowledge,
    test: &ClinicalTest,
    row: &Accuracy,
    numeric: bool,
    sourced: &impl Fn(&str) -> bool,
    at: &mut impl FnMut(&str, String),
) {
    if !sourced(&row.source) {
        at(
            "source",
            format!("`{}` is not in references.toml", row.source),
        );
    }
    match known.hypothesis(&row.hypothesis) {
        None => at("hypothesis", format!("no hypothesis `{}`", row.hypothesis)),
        Some(hypothesis) if !hypothesis.group.iter().any(|g| g.id == row.group) => {
            at(
                "group",
                format!("`{}` has no group `{}`", row.hypothesis, row.group),
            );
        }
        Some(_) => {}
    }
    let own = (row.sensitivity, row.specificity, row.n_with, row.n_without);
    let further = row.studies.iter().enumerate().map(|(i, s)| {
        let shares = (s.sensitivity, s.specificity, s.n_with, s.n_without);
        (format!("studies[{i}]."), shares)
    });
    for (study, (sensitivity, specificity, n_with, n_without)) in
        std::iter::once((String::new(), own)).chain(further)
    {
        for (field, value) in [("sensitivity", sensitivity), ("specificity", specificity)] {
            if !(0.0..=1.0).contains(&value) {
                let problem = format!("{value} is not a share of 0 to 1");
                at(&format!("{study}{field}"), problem);
            }
        }
        for (field, value) in [("n_with", n_with), ("n_without", n_without)] {
            if value < 1.0 {
                at(
                    &format!("{study}{field}"),
                    format!("{value} people are too few"),
                );
            }
        }
    }
    for (i, study) in row.studies.iter().enumerate() {
        if !sourced(&study.source) {
            let problem = format!("`{}` is not in references.toml", study.source);
            at(&format!("studies[{i}].source"), problem);
        }
    }
    if row.loading.is_some_and(|a| !(0.0..=0.775).contains(&a)) {
        at("loading", "must be between 0 and √0.6".to_owned());
    }
    if numeric == row.positive_from.is_none() || numeric != row.positive.is_empty() {
        at(
            "positive",
            "a number needs positive_from, a word needs positive".to_owned(),
        );
    }
    let allowed: &[Found] = test.kind.answers();
    if row.positive.iter().any(|word| !allowed.contains(word))
        || (!numeric && row.positive.len() >= allowed.len())
    {
        at(
            "positive",
            format!("{:?} are not some of {allowed:?}", row.positive),
        );
    }
}

/// Every pattern of a group in which one more positive answer lowers the reading: hypothesis, group, test, pattern.
///
/// A test worse than chance lowers it in every pattern and is left out: that is what was published of it.
fn backward_cells(known: &Knowledge) -> Vec<(String, String, String, String)> {
    let mut out = Vec::new();
    for hypothesis in &known.hypotheses {
        for group in hypothesis.group.iter().filter(|g| g.rho > 0.0) {
            let (names, members): (Vec<&str>, Vec<Member>) = known
                .tests
                .iter()
                .flat_map(|t| t.accuracy.iter().map(move |a| (t, a)))
                .filter(|(_, a)| a.hypothesis == hypothesis.id && a.group == group.id)
                .map(|(t, a)| (t.id.as_str(), Member::point(a, group.rho)))
                .unzip();
            let model = GroupModel::new(members);
            let n = names.len();
            for (weak, name) in names
                .iter()
                .enumerate()
                .filter(|(i, _)| model.informative(*i))
            {
                let found = (0..1usize << n)
                    .filter(|mask| mask >> weak & 1 == 0)
                    .find(|mask| {
                        let step =
                            |mask: usize| model.log_ratio((0..n).map(|i| Some(mask >> i & 1 == 1)));
                        step(mask | 1 << weak) < step(*mask) - 1e-9
                    });
                if let Some(mask) = found {
                    let others: Vec<&str> = (0..n)
                        .filter(|i| mask >> i & 1 == 1)
                        .map(|i| names[i])
                        .collect();
                    let cell = format!("{} are positive and the rest negative", others.join(", "));
                    out.push((
                        hypothesis.id.clone(),
                        group.id.clone(),
                        (*name).to_owned(),
                        cell,
                    ));
                }
            }
        }
    }
    out
}

fn file_of(known: &Knowledge, test: &str) -> String {
    format!(
        "tests/{}.toml",
        known.test(test).map_or("", |t| t.region.as_str())
    )
}
