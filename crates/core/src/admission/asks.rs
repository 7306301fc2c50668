//! No gate asks for what is barred on the day it opens, and no precaution ends before its position opens.
//!
//! Proved at load with the rules that judge real shoulders: for every pathway as it stands, with each of its schools and
//! with each modifier that goes with it.

use super::error::KnowledgeError;
use super::pathways::file_of;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, Start, Story};
use crate::force::strength_barred;
use crate::knowledge::{
    Comparison, Criterion, CriterionKind, Demand, HealingClock, Knowledge, Pathway, SOUGHT,
};
use crate::mechanics::{Arm, KeyPose, Path};
use crate::rules::{Ceiling, Choices, GateRule, Rules, ceiling_on};
use crate::safety::{Status, bars_position, check_exercise};
use chrono::{Days, NaiveDate};
use std::collections::BTreeSet;

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    let kit = known.all_kit();
    for row in &known.attestations {
        let exercises = row
            .exercises
            .iter()
            .filter(|id| !known.exercises.contains_key(*id))
            .map(|id| ("exercises", id));
        let tests = row
            .tests
            .iter()
            .filter(|id| known.test(id).is_none())
            .map(|id| ("tests", id));
        for (field, id) in exercises.chain(tests) {
            let problem = format!("no row `{id}`");
            faults.push(KnowledgeError::at(
                "attestations.toml",
                &row.id,
                field,
                problem,
            ));
        }
    }
    for kind in SOUGHT {
        let rows = known.distance.iter().filter(|row| row.id == kind).count();
        if rows != 1 {
            let problem = format!("{kind:?} needs one row, and there are {rows}");
            faults.push(KnowledgeError::at("distance.toml", "-", "id", problem));
        }
    }
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        named(known, pathway, faults);
        let mut told = BTreeSet::new();
        for (choices, whose) in variants(known, pathway) {
            let rules = Rules::new(known, pathway, &choices);
            let asked = Asked {
                known,
                rules: &rules,
                pathway,
                kit: &kit,
            };
            for (row, field, problem) in asked.gates().chain(asked.precautions()) {
                if told.insert((row.clone(), field.clone())) {
                    faults.push(KnowledgeError::at(
                        &file_of(pathway),
                        &row,
                        &field,
                        format!("{problem}{whose}"),
                    ));
                }
            }
        }
    }
}

/// As it stands; with each school; with each modifier.
fn variants(known: &Knowledge, pathway: &Pathway) -> Vec<(Choices, String)> {
    let schools = pathway
        .schools
        .iter()
        .chain(&known.schools)
        .filter(|s| !s.default)
        .map(|s| {
            let choices = Choices {
                schools: [(s.question.clone(), s.id.clone())].into(),
                ..Choices::default()
            };
            (choices, format!(" (school `{}`)", s.id))
        });
    let modifiers = known
        .modifiers
        .iter()
        .filter(|m| m.pathways.iter().any(|id| id == pathway.column()))
        .map(|m| {
            let choices = Choices {
                modifiers: vec![m.id.clone()],
                ..Choices::default()
            };
            (choices, format!(" (modifier `{}`)", m.id))
        });
    std::iter::once((Choices::default(), String::new()))
        .chain(schools)
        .chain(modifiers)
        .collect()
}

/// What is attested or told to the patient has its row.
fn named(known: &Knowledge, pathway: &Pathway, faults: &mut Vec<KnowledgeError>) {
    let mut fault = |row: &str, field: &str, problem: String| {
        faults.push(KnowledgeError::at(&file_of(pathway), row, field, problem));
    };
    for gate in &pathway.gates {
        let mut codes = Vec::new();
        codes_of(&gate.criteria, &mut codes);
        for code in codes {
            if !known.attestations.iter().any(|a| a.id == code) {
                fault(
                    &gate.id,
                    "criteria",
                    format!("`{code}` has no row in attestations.toml"),
                );
            }
        }
    }
    for precaution in &pathway.precautions {
        if !known.precautions.iter().any(|p| p.id == precaution.id) {
            fault(
                &precaution.id,
                "precaution",
                "has no row in precautions.toml".to_owned(),
            );
        }
    }
}

fn codes_of<'a>(criteria: &'a [Criterion], out: &mut Vec<&'a str>) {
    for c in criteria {
        if let CriterionKind::Attested { code, .. } = &c.ask {
            out.push(code);
        }
        codes_of(c.ask.parts(), out);
    }
}

/// Row, field, problem.
type Found = (String, String, String);

struct Asked<'a> {
    known: &'a Knowledge,
    rules: &'a Rules,
    pathway: &'a Pathway,
    kit: &'a [String],
}

impl Asked<'_> {
    fn gates(&self) -> impl Iterator<Item = Found> + '_ {
        self.rules.gates.iter().flat_map(|gate| {
            gate.criteria.iter().filter_map(|criterion| {
                let why = self.barred(gate, criterion)?;
                Some((
                    gate.id.clone(),
                    format!("criteria.{}", criterion.id),
                    format!(
                        "asks for what is barred when the gate opens on day {}: {why}",
                        gate.opens_day
                    ),
                ))
            })
        })
    }

    /// Why a criterion cannot be tried on the day its gate opens; of alternatives one is enough.
    fn barred(&self, gate: &GateRule, criterion: &Criterion) -> Option<String> {
        let day = gate.opens_day;
        let of = |parts: &[Criterion]| -> Vec<String> {
            parts.iter().filter_map(|c| self.barred(gate, c)).collect()
        };
        match &criterion.ask {
            CriterionKind::All { of: parts } => of(parts).into_iter().next(),
            CriterionKind::Any { of: parts } => {
                let barred = of(parts);
                (barred.len() == parts.len())
                    .then(|| barred.into_iter().next())
                    .flatten()
            }
            CriterionKind::AtLeast { k, of: parts } => {
                let barred = of(parts);
                (parts.len() - barred.len() < *k)
                    .then(|| barred.into_iter().next())
                    .flatten()
            }
            CriterionKind::Measure {
                quantity,
                op,
                value,
                of_other_side,
                ..
            } => self.range(quantity, *op, (!of_other_side).then_some(*value), day),
            CriterionKind::Strength { test, against, .. } => std::iter::once(test)
                .chain(against)
                .find_map(|id| self.strength(id, day)),
            CriterionKind::Attested { code, .. } => self.attested(code, gate),
            _ => None,
        }
    }

    fn range(
        &self,
        quantity: &str,
        op: Comparison,
        value: Option<f64>,
        day: EpisodeDay,
    ) -> Option<String> {
        match ceiling_on(self.rules, &[], quantity, day, day).ceiling {
            // A shoulder may show that something is small without being moved there.
            _ if op == Comparison::AtMost => None,
            Ceiling::NoneAllowed if self.rules.corridor(quantity).is_some() => {
                Some(format!("`{quantity}` is not moved yet"))
            }
            Ceiling::UpTo { value: ceiling } if value.is_some_and(|v| v > ceiling) => {
                Some(format!("`{quantity}` may reach {ceiling}"))
            }
            _ => None,
        }
    }

    fn strength(&self, id: &str, day: EpisodeDay) -> Option<String> {
        let test = self.known.strength.iter().find(|t| t.id == id)?;
        let facts = self.facts(day)?;
        let barred = strength_barred(
            &self.ctx(self.pathway.phases.len() as u32, day),
            &facts,
            test,
        );
        barred
            .first()
            .map(|reason| format!("the force test `{id}` ({})", reason.rule))
    }

    fn attested(&self, code: &str, gate: &GateRule) -> Option<String> {
        let row = self.known.attestations.iter().find(|a| a.id == code)?;
        let day = gate.opens_day;
        let ctx = self.ctx(gate.from_phase, day);
        let mut positions: Vec<(&[KeyPose], &[Demand])> = row
            .tests
            .iter()
            .filter_map(|id| self.known.test(id))
            .map(|test| (test.path.as_slice(), test.demand.as_slice()))
            .collect();
        positions.push((&row.path, &row.demand));
        for (keys, demand) in positions.into_iter().filter(|(keys, _)| !keys.is_empty()) {
            let path = Path {
                keys: keys.iter().filter_map(KeyPose::pose).collect(),
            };
            if let Some(reason) = bars_position(&ctx, &path, demand, &[], day).first() {
                return Some(format!("`{code}` ({})", reason.rule));
            }
        }
        let barred: Vec<String> = row
            .exercises
            .iter()
            .filter_map(|id| self.known.exercises.get(id))
            .filter_map(|exercise| {
                let verdict = check_exercise(&ctx, exercise, &exercise.dose, day);
                let first = verdict
                    .findings
                    .iter()
                    .find(|f| f.status == Status::Blocked)?;
                Some(format!(
                    "`{code}` needs `{}` ({})",
                    exercise.id, first.reason.rule
                ))
            })
            .collect();
        (!row.exercises.is_empty() && barred.len() == row.exercises.len())
            .then(|| barred.into_iter().next())
            .flatten()
    }

    fn precautions(&self) -> impl Iterator<Item = Found> + '_ {
        self.rules.precautions.iter().filter_map(|told| {
            let row = self.known.precautions.iter().find(|p| p.id == told.id)?;
            let opens = self
                .rules
                .forbidden
                .iter()
                .filter(|f| {
                    row.positions.contains(&f.id) || f.tags.iter().any(|tag| row.tags.contains(tag))
                })
                .max_by_key(|f| f.until_day)?;
            (told.until_day < opens.until_day && told.until_day < self.rules.end_day).then(|| {
                (
                    told.id.clone(),
                    "until_week".to_owned(),
                    format!(
                        "ends on day {} while `{}` is forbidden until day {}",
                        told.until_day, opens.id, opens.until_day
                    ),
                )
            })
        })
    }

    fn ctx(&self, phase: u32, today: EpisodeDay) -> CheckContext<'_> {
        CheckContext::of_pathway(self.known, self.rules, self.kit, phase, today)
    }

    /// A shoulder of this pathway on a day, with nothing else known of it.
    fn facts(&self, day: EpisodeDay) -> Option<Facts> {
        let day0 = NaiveDate::from_ymd_opt(2024, 1, 1)?;
        let start = match self.pathway.clock {
            HealingClock::Operation => Start::Surgery,
            HealingClock::None => Start::Gradual,
            _ => Start::Injury,
        };
        let story = Story::begun(&self.pathway.id, Arm::Right, day0, start);
        let mut facts = Facts::new(day0, NaiveDate::from_ymd_opt(1984, 1, 1)?, story);
        facts.today = day0 + Days::new(u64::try_from(day.max(0)).ok()?);
        Some(facts)
    }
}
