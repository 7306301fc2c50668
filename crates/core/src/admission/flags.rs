//! What a red flag names is there: tests, answers, ranges, bounds, other flags.

use super::error::KnowledgeError;
use crate::knowledge::{Knowledge, RaisedBy, RedFlag};
use crate::ranges::CALLS;

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for flag in &known.red_flags {
        let mut fault = |field: &str, problem: String| {
            faults.push(KnowledgeError::at(
                "red-flags.toml",
                &flag.id,
                field,
                problem,
            ))
        };
        for test in flag.tests.iter().filter(|id| known.test(id).is_none()) {
            fault("tests", format!("no test `{test}`"));
        }
        if !flag.asked && flag.raised_by.is_empty() {
            fault(
                "raised_by",
                "neither asked nor raised by anything".to_owned(),
            );
        }
        for (at, row) in flag.raised_by.iter().enumerate() {
            if let Some((field, problem)) = missing(known, flag, row) {
                fault(&format!("raised_by[{at}].{field}"), problem);
            }
        }
    }
    for quantity in &known.quantities {
        if let Some(id) = &quantity.loss
            && !known.thresholds.contains_key(id)
        {
            let problem = format!("no threshold `{id}`");
            faults.push(KnowledgeError::at(
                "quantities.toml",
                &quantity.id,
                "loss",
                problem,
            ));
        }
    }
}

/// The first thing that a row names and nobody knows: its field and what is wrong.
fn missing(known: &Knowledge, flag: &RedFlag, row: &RaisedBy) -> Option<(&'static str, String)> {
    let threshold = |field: &'static str, id: &String| {
        let problem = format!("no threshold `{id}`");
        (!known.thresholds.contains_key(id)).then_some((field, problem))
    };
    let quantity = |field: &'static str, id: &String| {
        let problem = format!("no quantity `{id}`");
        known.quantity(id).is_none().then_some((field, problem))
    };
    let any = |field: &'static str, ids: &[String]| ids.iter().find_map(|id| quantity(field, id));
    let is_flag = |field: &'static str, id: &String| {
        let problem = format!("no flag `{id}`");
        let there = known.red_flag(id).is_some() && *id != flag.id;
        (!there).then_some((field, problem))
    };
    match row {
        RaisedBy::Finding { test, words, .. } => {
            let Some(test) = known.test(test) else {
                return Some(("test", format!("no test `{test}`")));
            };
            let strange = words.iter().find(|w| !test.kind.answers().contains(w));
            strange.map(|w| ("words", format!("`{}` is never answered {w:?}", test.id)))
        }
        RaisedBy::Slip { .. } | RaisedBy::Watch => None,
        RaisedBy::Stuck {
            quantity: id,
            at_most,
        } => quantity("quantity", id).or_else(|| threshold("at_most", at_most)),
        RaisedBy::Gap {
            active,
            passive,
            above,
            from_week,
        } => any("active", active)
            .or_else(|| quantity("passive", passive))
            .or_else(|| threshold("above", above))
            .or_else(|| threshold("from_week", from_week)),
        RaisedBy::Lost {
            active,
            passive,
            loss,
            gap,
            from_age,
        } => any("active", active)
            .or_else(|| quantity("passive", passive))
            .or_else(|| threshold("loss", loss))
            .or_else(|| threshold("gap", gap))
            .or_else(|| threshold("from_age", from_age)),
        RaisedBy::LagBesideGap {
            active,
            passive,
            active_below,
            gap,
            lag,
            from_age,
        } => any("active", active)
            .or_else(|| quantity("passive", passive))
            .or_else(|| threshold("active_below", active_below))
            .or_else(|| threshold("gap", gap))
            .or_else(|| threshold("lag", lag))
            .or_else(|| threshold("from_age", from_age)),
        RaisedBy::Call { quantities, calls } => any("quantities", quantities)
            .or_else(|| {
                let strange = calls.iter().find(|c| !CALLS.contains(&c.call.as_str()));
                strange.map(|c| ("calls", format!("`{}` is none of {CALLS:?}", c.call)))
            })
            .or_else(|| {
                let mut answered = calls.iter().filter_map(|c| c.answered.as_ref());
                answered.find_map(|id| is_flag("calls", id))
            }),
        RaisedBy::Together { flags } => {
            let mut all = flags.iter().flatten();
            all.find_map(|id| is_flag("flags", id))
        }
    }
}
