//! Schools that hold only where the record says enough.

use crate::facts::{Facts, TestAnswer};
use crate::knowledge::{Knowledge, NeededAnswer, Pathway, School};
use crate::reason::Reason;
use std::collections::BTreeMap;

/// The schools that hold by question, and what is said of the chosen ones: the first answer that is missing or speaks against one,
/// and that what one opens early only bridges the days until a proper assessment.
pub(super) fn that_hold(
    known: &Knowledge,
    pathway: &Pathway,
    facts: &Facts,
) -> (BTreeMap<String, String>, Vec<Reason>) {
    let mut hold = facts.story.schools.clone();
    let mut told = Vec::new();
    hold.retain(|question, id| {
        let all = pathway.schools.iter().chain(&known.schools);
        let chosen = |s: &&School| s.question == *question && s.id == *id;
        let school = all.into_iter().find(chosen);
        let lacks = school.and_then(|s| s.needs.iter().find(|need| !met(facts, need)));
        if let Some(need) = lacks {
            told.push(
                Reason::new("school-held-back")
                    .with("school", id.as_str())
                    .with("test", need.test.as_str()),
            );
        } else if school.is_some_and(|s| s.early.is_some()) {
            told.push(Reason::new("school-bridges").with("school", id.as_str()));
        }
        lacks.is_none()
    });
    (hold, told)
}

/// Whether the newest answer of this side is one of those asked for.
fn met(facts: &Facts, need: &NeededAnswer) -> bool {
    let own = |f: &&crate::facts::TestFinding| f.test == need.test && f.side == facts.story.side;
    match facts.findings.iter().rev().find(own).map(|f| f.answer) {
        Some(TestAnswer::Word { found }) => need.found.contains(&found),
        Some(TestAnswer::Number { value }) => need.below.is_some_and(|below| value < below),
        Some(TestAnswer::CouldNot) | None => false,
    }
}
