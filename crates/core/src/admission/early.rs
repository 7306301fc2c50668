//! What a school needs on record, and what it opens before its phase.

use crate::knowledge::{HealingClock, Knowledge, Pathway, School};

/// Early work belongs to a pathway where nothing heals by the calendar, is never the default, and asks for something on record.
pub(super) fn check_early(
    known: &Knowledge,
    pathway: Option<&Pathway>,
    school: &School,
    fault: &mut dyn FnMut(&str, &str, String),
) {
    for need in &school.needs {
        let words = known.test(&need.test).map(|t| t.kind.answers());
        let sound = words.is_some_and(|words| {
            if need.below.is_some() {
                words.is_empty() && need.found.is_empty()
            } else {
                !need.found.is_empty() && need.found.iter().all(|f| words.contains(f))
            }
        });
        if !sound {
            let problem = format!("`{}` has no such answer", need.test);
            fault(&school.id, "needs", problem);
        }
    }
    let Some(early) = &school.early else {
        return;
    };
    let free = pathway.is_some_and(|p| p.clock == HealingClock::None);
    if !free || school.default || school.needs.is_empty() {
        let problem = "only where nothing heals by the calendar, never by default, and with needs";
        fault(&school.id, "early", problem.to_owned());
    }
    let Some(pathway) = pathway else { return };
    let missing = [
        early
            .exercises
            .iter()
            .find(|id| !known.exercises.contains_key(*id)),
        early
            .classes
            .iter()
            .find(|id| !known.gate_classes.contains_key(*id)),
        early
            .ceilings
            .keys()
            .find(|id| !pathway.corridors.iter().any(|c| c.id == **id)),
        early
            .lifts
            .iter()
            .find(|id| !pathway.forbidden.iter().any(|f| f.id == **id)),
        early
            .allowance
            .iter()
            .map(|row| &row.id)
            .find(|id| !pathway.allowances.iter().any(|row| row.id == **id)),
    ];
    for id in missing.into_iter().flatten() {
        fault(&school.id, "early", format!("no row `{id}`"));
    }
}
