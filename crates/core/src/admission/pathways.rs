//! Checks of pathways and modifiers: what is named exists, gates can be met, exercises can be reached,
//! modifiers only tighten.

use super::error::KnowledgeError;
use super::schools::check_schools;
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::knowledge::{
    Comparison, Corridor, Criterion, CriterionKind, Group, HealingClock, Knowledge, Level,
    Modifier, Pathway,
};
use crate::rules::{Ceiling, Choices, Rules};
use crate::safety::{Status, check_exercise};
use std::collections::BTreeSet;

/// The file of a pathway.
pub(super) fn file_of(pathway: &Pathway) -> String {
    format!("pathways/{}.toml", pathway.id)
}

pub(super) fn sources(known: &Knowledge, source: &mut impl FnMut(&str, &str, &str)) {
    for pathway in known.pathways.values() {
        let file = file_of(pathway);
        source(&file, "-", &pathway.source);
        pathway
            .pain
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .phases
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .corridors
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .allowances
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .forbidden
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .precautions
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .sling
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .milestones
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .gates
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .watches
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
        pathway
            .schools
            .iter()
            .for_each(|r| source(&file, &r.id, &r.source));
    }
    known
        .watches
        .iter()
        .for_each(|r| source("watches.toml", &r.id, &r.source));
    known
        .steps
        .iter()
        .for_each(|r| source("steps.toml", &r.id, &r.source));
    known
        .schools
        .iter()
        .for_each(|r| source("schools.toml", &r.id, &r.source));
    for modifier in &known.modifiers {
        source("modifiers.toml", &modifier.id, &modifier.source);
        modifier
            .precaution
            .iter()
            .for_each(|r| source("modifiers.toml", &r.id, &r.source));
    }
}

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for pathway in known.pathways.values() {
        let file = file_of(pathway);
        let mut fault = |row: &str, field: &str, problem: String| {
            faults.push(KnowledgeError::at(&file, row, field, problem))
        };
        check_pathway(known, pathway, &mut fault);
        check_schools(known, Some(pathway), &pathway.schools, &mut fault);
    }
    let mut fault = |row: &str, field: &str, problem: String| {
        faults.push(KnowledgeError::at("schools.toml", row, field, problem))
    };
    check_schools(known, None, &known.schools, &mut fault);
    for modifier in &known.modifiers {
        check_modifier(known, modifier, &mut |field, problem| {
            faults.push(KnowledgeError::at(
                "modifiers.toml",
                &modifier.id,
                field,
                problem,
            ));
        });
    }
}

type Fault<'a> = &'a mut dyn FnMut(&str, &str, String);

fn check_pathway(known: &Knowledge, pathway: &Pathway, fault: Fault) {
    let clocked = pathway.clock != HealingClock::None;
    let phases = pathway.phases.len() as u32;
    for phase in &pathway.phases {
        for id in phase
            .clinician
            .iter()
            .filter(|id| !phase.exercises.contains(id))
        {
            fault(
                &phase.id,
                "clinician",
                format!("`{id}` is not among the exercises of this phase"),
            );
        }
        for ladder in &phase.focus {
            if !known.exercises.values().any(|e| &e.ladder == ladder) {
                fault(&phase.id, "focus", format!("no ladder `{ladder}`"));
            }
        }
        if phase.expected_end_week <= phase.earliest_week {
            fault(
                &phase.id,
                "expected_end_week",
                "must come after earliest_week".to_owned(),
            );
        }
        for id in phase.exercises.iter().filter(|_| clocked) {
            let gates = known
                .exercises
                .get(id)
                .map(|e| e.gates.as_slice())
                .unwrap_or_default();
            for gate in gates {
                let column = pathway.column().to_owned();
                let says = pathway.class_weeks.contains_key(gate)
                    || known.gate_classes.get(gate).is_some_and(|c| {
                        c.weeks.contains_key(&column)
                            || c.clinician.contains(&column)
                            || c.never.contains(&column)
                    });
                if !says {
                    fault(
                        &phase.id,
                        "exercises",
                        format!(
                            "`{id}` needs gate class `{gate}`, which gives no week for this pathway"
                        ),
                    );
                }
            }
        }
    }
    if let Some(base) = pathway
        .based_on
        .as_ref()
        .filter(|base| !known.pathways.contains_key(*base))
    {
        fault("-", "based_on", format!("no pathway `{base}`"));
    }
    for (class, week) in &pathway.class_weeks {
        if !known.gate_classes.contains_key(class) || !(0..=104).contains(week) {
            fault(
                "-",
                "class_weeks",
                format!("`{class}` = {week}: a class that exists, and 0 to 104 weeks"),
            );
        }
    }
    let numbers: Vec<u32> = pathway.phases.iter().map(|p| p.number).collect();
    if numbers != (1..=phases).collect::<Vec<_>>() {
        fault(
            "-",
            "phase",
            format!("phases must be numbered 1, 2, 3 … in order, not {numbers:?}"),
        );
    }
    if let Some(pair) = pathway
        .phases
        .windows(2)
        .find(|w| w[1].earliest_week < w[0].earliest_week)
    {
        fault(
            &pair[1].id,
            "earliest_week",
            format!(
                "{} comes before phase {}",
                pair[1].earliest_week, pair[0].number
            ),
        );
    }
    if pathway.sling.len() > 1 {
        fault("-", "sling", "at most one sling row".to_owned());
    }
    if !pathway
        .allowances
        .iter()
        .any(|a| a.from_phase.map_or(a.from_week == 0, |phase| phase == 1))
    {
        fault(
            "-",
            "allowance",
            "an allowance must start at week 0, or at phase 1 where there is no clock".to_owned(),
        );
    }
    check_effort_and_pain(pathway, fault);
    let phased = pathway
        .allowances
        .iter()
        .filter_map(|a| Some((&a.id, a.from_phase?)))
        .chain(
            pathway
                .pain
                .iter()
                .filter_map(|p| Some((&p.id, p.from_phase?))),
        );
    let phased = phased.chain(
        pathway
            .forbidden
            .iter()
            .filter_map(|f| Some((&f.id, f.until_phase?))),
    );
    for (id, phase) in phased {
        if clocked {
            fault(
                id,
                "from_phase",
                "counts in phases, but this pathway has a healing clock: give a week".to_owned(),
            );
        } else if phase == 0 || phase > phases + 1 {
            fault(id, "from_phase", format!("there is no phase {phase}"));
        }
    }
    for corridor in &pathway.corridors {
        check_corridor(known, pathway, corridor, fault);
    }
    check_gates(known, pathway, fault);
}

/// Every muscle group that holds against something has a highest effort; how much pain is tolerated is said from the first day.
fn check_effort_and_pain(pathway: &Pathway, fault: Fault) {
    for allowance in &pathway.allowances {
        let holding = Group::SHOULDER.into_iter().filter(|g| {
            allowance
                .levels(*g)
                .iter()
                .any(|level| *level >= Level::Isometric)
        });
        for group in holding.filter(|g| !allowance.effort_max_pct.contains_key(g)) {
            fault(
                &allowance.id,
                "effort_max_pct",
                format!("{group:?} may hold against something: say how hard at most"),
            );
        }
        for (group, pct) in &allowance.effort_max_pct {
            if !(5..=100).contains(pct) {
                fault(
                    &allowance.id,
                    "effort_max_pct",
                    format!("{group:?}: {pct} is not between 5 and 100"),
                );
            }
        }
    }
    let from_the_first = pathway
        .pain
        .iter()
        .any(|p| p.from_phase.map_or(p.from_week == 0, |phase| phase == 1));
    if !from_the_first {
        fault(
            "-",
            "pain",
            "how much is tolerated must be said from week 0, or phase 1, on".to_owned(),
        );
    }
    for row in &pathway.pain {
        if !(0.0..=10.0).contains(&row.max) {
            fault(&row.id, "max", "0 to 10".to_owned());
        }
        if row.settles_h.is_some_and(|h| !(0.5..=24.0).contains(&h)) {
            fault(&row.id, "settles_h", "half an hour to a day".to_owned());
        }
    }
}

/// Gates lead from every phase but the last to the one after it, once each: so they can neither circle nor end nowhere.
fn check_gates(known: &Knowledge, pathway: &Pathway, fault: Fault) {
    let phases = pathway.phases.len() as u32;
    let mut seen = BTreeSet::new();
    for gate in &pathway.gates {
        if !seen.insert(gate.from_phase) {
            fault(
                &gate.id,
                "from_phase",
                format!(
                    "phase {} has a gate already: gates would circle or fork",
                    gate.from_phase
                ),
            );
        }
        if gate.from_phase == 0 || gate.from_phase >= phases {
            fault(
                &gate.id,
                "from_phase",
                format!("{} is not a phase that another follows", gate.from_phase),
            );
        }
        for criterion in &gate.criteria {
            check_criterion(known, pathway, gate, criterion, fault);
        }
        if pathway
            .phase(gate.from_phase + 1)
            .is_none_or(|next| next.earliest_week != gate.week)
        {
            fault(
                &gate.id,
                "week",
                "must be the earliest week of the phase it opens".to_owned(),
            );
        }
    }
    for number in (1..phases).filter(|n| !seen.contains(n)) {
        fault(
            "-",
            "gate",
            format!("phase {number} has no gate, so nobody could ever leave it"),
        );
    }
}

fn check_corridor(known: &Knowledge, pathway: &Pathway, corridor: &Corridor, fault: Fault) {
    let Some(quantity) = known.quantity(&corridor.id) else {
        fault(&corridor.id, "id", "no such quantity".to_owned());
        return;
    };
    let (mut week, mut phase) = (0, 0);
    for row in &corridor.rows {
        let place = row.phase.map_or_else(
            || format!("rows[end_of_week={}]", row.end_of_week),
            |n| format!("rows[phase={n}]"),
        );
        match row.phase {
            Some(n)
                if pathway.clock != HealingClock::None
                    || n <= phase
                    || n > pathway.phases.len() as u32 =>
            {
                fault(
                    &corridor.id,
                    &place,
                    "phases rise, exist, and count only where there is no healing clock".to_owned(),
                );
            }
            None if row.end_of_week <= week => {
                fault(&corridor.id, &place, "weeks must rise".to_owned())
            }
            _ => {}
        }
        week = row.end_of_week;
        phase = row.phase.unwrap_or(0);
        if usize::from(row.free) + usize::from(row.barred) + usize::from(row.ceiling.is_some()) != 1
        {
            fault(
                &corridor.id,
                &place,
                "give either a ceiling or free = true".to_owned(),
            );
        }
        if let (Some(floor), Some(ceiling)) = (row.floor, row.ceiling)
            && floor > ceiling
        {
            fault(
                &corridor.id,
                &place,
                format!("floor {floor} is above ceiling {ceiling}"),
            );
        }
        for value in [row.floor, row.ceiling].into_iter().flatten() {
            if !(quantity.min..=quantity.max).contains(&value) {
                fault(
                    &corridor.id,
                    &place,
                    format!("{value} is outside {} to {}", quantity.min, quantity.max),
                );
            }
        }
    }
}

fn check_criterion(
    known: &Knowledge,
    pathway: &Pathway,
    gate: &crate::knowledge::Gate,
    criterion: &Criterion,
    fault: Fault,
) {
    let place = format!("criteria.{}", criterion.id);
    let row = gate.id.as_str();
    match &criterion.ask {
        CriterionKind::Measure {
            quantity,
            value,
            max_age_days,
            of_other_side,
            op,
        } => {
            match known.quantity(quantity) {
                None => fault(row, &place, format!("no quantity `{quantity}`")),
                Some(q) if !of_other_side && !(q.min..=q.max).contains(value) => {
                    fault(
                        row,
                        &place,
                        format!(
                            "{value} is outside {} to {}, so the gate could never open",
                            q.min, q.max
                        ),
                    );
                }
                Some(_) => {}
            }
            if *max_age_days <= 0 {
                fault(row, &place, "max_age_days must be positive".to_owned());
            }
            // A value above the ceiling of the days before the gate could only be reached by going too far.
            let rules = Rules::new(known, pathway, &Choices::default());
            let before = rules
                .corridor(quantity)
                .and_then(|c| c.ceilings.at(gate.week * WEEK - 1).copied());
            if let (Some(Ceiling::UpTo { value: ceiling }), Comparison::AtLeast, false) =
                (before, op, *of_other_side)
                && *value > ceiling
                && !matches!(
                    rules
                        .corridor(quantity)
                        .and_then(|c| c.ceilings.at(gate.week * WEEK).copied()),
                    Some(Ceiling::Free)
                )
                && rules
                    .corridor(quantity)
                    .and_then(|c| c.ceilings.at(gate.week * WEEK).and_then(|c| c.value()))
                    .is_none_or(|c| *value > c)
            {
                fault(
                    row,
                    &place,
                    format!(
                        "asks for {value} where the ceiling is {ceiling}: no measurement could satisfy it"
                    ),
                );
            }
        }
        CriterionKind::Strength {
            test,
            against,
            value,
            max_age_days,
            ..
        } => {
            for id in std::iter::once(test)
                .chain(against)
                .filter(|id| !known.strength.iter().any(|s| &s.id == *id))
            {
                fault(row, &place, format!("no strength test `{id}`"));
            }
            if *value <= 0.0 || *value > 300.0 || *max_age_days <= 0 {
                fault(
                    row,
                    &place,
                    "a share in percent above 0 and a positive max_age_days".to_owned(),
                );
            }
        }
        CriterionKind::Score {
            value,
            max_age_days,
            ..
        } if !(0.0..=10.0).contains(value) || *max_age_days <= 0 => {
            fault(
                row,
                &place,
                format!("{value} is outside 0 to 10, or max_age_days is not positive"),
            );
        }
        CriterionKind::TimeSince { weeks }
            if *weeks > pathway.weeks || pathway.clock == HealingClock::None =>
        {
            fault(
                row,
                &place,
                format!(
                    "week {weeks} comes after the pathway's end, or nothing here heals by the calendar"
                ),
            );
        }
        CriterionKind::AtLeast { k, of } if *k == 0 || *k > of.len() => {
            fault(row, &place, format!("k = {k} of {} parts", of.len()));
        }
        _ => {}
    }
    for part in criterion.ask.parts() {
        check_criterion(known, pathway, gate, part, fault);
    }
}

fn check_modifier(known: &Knowledge, modifier: &Modifier, fault: &mut dyn FnMut(&str, String)) {
    for id in modifier.pathways.iter().filter(|id| {
        known
            .pathways
            .get(*id)
            .is_none_or(|p| p.clock == HealingClock::None)
    }) {
        fault(
            "pathways",
            format!("no pathway `{id}` with a healing clock"),
        );
    }
    if modifier.delay_weeks < 0 || modifier.strength_delay_weeks < 0 {
        fault(
            "delay_weeks",
            "a modifier only tightens: it never brings anything forward".to_owned(),
        );
    }
    for cap in &modifier.cap {
        let hardest = cap.levels.iter().max();
        if hardest == Some(&Level::Isometric) && cap.effort_max_pct.is_none() {
            fault(
                "cap",
                format!(
                    "{:?} may hold against something: say how hard at most",
                    cap.groups
                ),
            );
        }
    }
    for corridor in &modifier.corridor {
        match known.quantity(&corridor.id) {
            None => fault("corridor", format!("no quantity `{}`", corridor.id)),
            Some(q) => {
                if corridor
                    .rows
                    .iter()
                    .filter_map(|r| r.ceiling)
                    .any(|c| !(q.min..=q.max).contains(&c))
                {
                    fault(
                        "corridor",
                        format!(
                            "a ceiling of `{}` is outside {} to {}",
                            corridor.id, q.min, q.max
                        ),
                    );
                }
            }
        }
        if corridor
            .rows
            .windows(2)
            .any(|w| w[1].until_week <= w[0].until_week)
        {
            fault("corridor", format!("weeks of `{}` must rise", corridor.id));
        }
    }
}

/// What only a new release must show: every exercise of a pathway can be reached on some day by somebody.
pub(super) fn reach(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    let kit = known.all_kit();
    for pathway in known.pathways.values() {
        let rules = Rules::new(known, pathway, &Choices::default());
        let ctx = CheckContext::of_pathway(known, &rules, &kit, pathway.phases.len() as u32, 0);
        let last = rules.end_day - 1;
        let mut days: Vec<EpisodeDay> = rules
            .turning_days()
            .iter()
            .copied()
            .filter(|d| (0..last).contains(d))
            .collect();
        days.insert(0, last);
        for phase in &pathway.phases {
            for exercise in phase
                .exercises
                .iter()
                .filter_map(|id| known.exercises.get(id))
            {
                let passes = |day: &EpisodeDay| {
                    check_exercise(&ctx, exercise, &exercise.dose, *day).status != Status::Blocked
                };
                if !days.iter().any(passes) {
                    let why = check_exercise(&ctx, exercise, &exercise.dose, last).findings;
                    let why = why
                        .iter()
                        .find(|f| f.status == Status::Blocked)
                        .map_or("-", |f| f.reason.rule.as_str());
                    let problem = format!(
                        "`{}` can be reached on no day of the pathway ({why})",
                        exercise.id
                    );
                    faults.push(KnowledgeError::at(
                        &file_of(pathway),
                        &phase.id,
                        "exercises",
                        problem,
                    ));
                }
            }
        }
    }
}
