//! Checks of schools: what each names exists, and each question has one default.

use super::early::check_early;
use crate::knowledge::{Knowledge, Pathway, School};
use std::collections::{BTreeMap, BTreeSet};

/// What the schools of a pathway, or of all pathways, name exists; each question has one default.
pub(super) fn check_schools(
    known: &Knowledge,
    pathway: Option<&Pathway>,
    schools: &[School],
    fault: &mut dyn FnMut(&str, &str, String),
) {
    let mut defaults: BTreeMap<&str, usize> = BTreeMap::new();
    let mut seen = BTreeSet::new();
    for school in schools {
        *defaults.entry(&school.question).or_default() += usize::from(school.default);
        if !seen.insert((&school.question, &school.id)) {
            fault(&school.id, "id", "stands twice in its question".to_owned());
        }
        let weeks = [
            &school.phase_weeks,
            &school.opens_weeks,
            &school.allowance_weeks,
            &school.class_weeks,
        ];
        if weeks.iter().any(|m| !m.is_empty()) && pathway.is_none() {
            fault(
                &school.id,
                "phase_weeks",
                "weeks belong to a school of a pathway".to_owned(),
            );
        }
        if weeks
            .iter()
            .flat_map(|m| m.values())
            .any(|w| !(0..=104).contains(w))
        {
            fault(
                &school.id,
                "phase_weeks",
                "weeks lie between 0 and 104".to_owned(),
            );
        }
        if let Some(p) = pathway {
            for id in school
                .phase_weeks
                .keys()
                .filter(|id| !p.phases.iter().any(|x| &x.id == *id))
            {
                fault(&school.id, "phase_weeks", format!("no phase `{id}`"));
            }
            for id in school
                .opens_weeks
                .keys()
                .filter(|id| !p.corridors.iter().any(|x| &x.id == *id))
            {
                fault(&school.id, "opens_weeks", format!("no corridor `{id}`"));
            }
            for id in school
                .allowance_weeks
                .keys()
                .filter(|id| !p.allowances.iter().any(|x| &x.id == *id))
            {
                fault(
                    &school.id,
                    "allowance_weeks",
                    format!("no allowance `{id}`"),
                );
            }
        }
        for id in school
            .class_weeks
            .keys()
            .filter(|id| !known.gate_classes.contains_key(*id))
        {
            fault(&school.id, "class_weeks", format!("no gate class `{id}`"));
        }
        for ladder in school
            .lead
            .iter()
            .chain(&school.leave_out)
            .chain(&school.cue_ladders)
            .filter(|l| !known.exercises.values().any(|e| &e.ladder == *l))
        {
            fault(&school.id, "lead", format!("no ladder `{ladder}`"));
        }
        for id in school
            .leave_out_exercises
            .iter()
            .filter(|id| !known.exercises.contains_key(*id))
        {
            fault(
                &school.id,
                "leave_out_exercises",
                format!("no exercise `{id}`"),
            );
        }
        check_early(known, pathway, school, fault);
        if school.cue.is_some() == school.cue_ladders.is_empty() {
            fault(
                &school.id,
                "cue",
                "a cue and the ladders it is told with go together".to_owned(),
            );
        }
        if school
            .pain_during_max
            .is_some_and(|p| !(0.0..=10.0).contains(&p))
        {
            fault(&school.id, "pain_during_max", "0 to 10".to_owned());
        }
    }
    for (question, n) in defaults.iter().filter(|(_, n)| **n != 1) {
        fault(
            question,
            "default",
            format!("{n} schools are the default of this question, one must be"),
        );
    }
}
