//! Every gate can be met: for each one a record is made up that asks nothing of anybody but what its criteria say, and the
//! gate is evaluated against it by the rules that judge real shoulders.

use super::error::KnowledgeError;
use super::pathways::file_of;
use crate::assessment::Assessment;
use crate::calendar::EpisodeDay;
use crate::facts::{
    Attestation, Clearance, Facts, GatePass, Line, LogEntry, LogFact, Measurement, OtherSide,
    Score, Start, StopReason, Story, StrengthTrial, TakenBy,
};
use crate::knowledge::{
    Comparison, Criterion, CriterionKind, Gate, HealingClock, Knowledge, Pathway, Watch,
};
use crate::mechanics::Arm;
use crate::progress::{CriterionStatus, evaluate_gate};
use crate::rules::GateRule;
use chrono::{Days, NaiveDate};
use std::collections::BTreeMap;
use uuid::Uuid;

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        let file = file_of(pathway);
        for gate in &pathway.gates {
            for (criterion, status) in unmet(known, pathway, gate) {
                let problem = format!("no record satisfies it when the gate opens ({status:?})");
                faults.push(KnowledgeError::at(
                    &file,
                    &gate.id,
                    &format!("criteria.{criterion}"),
                    problem,
                ));
            }
        }
        pathway
            .watches
            .iter()
            .for_each(|watch| check_watch(known, watch, &file, faults));
    }
    for watch in &known.watches {
        for id in watch
            .pathways
            .iter()
            .filter(|id| !known.pathways.contains_key(*id))
        {
            faults.push(KnowledgeError::at(
                "watches.toml",
                &watch.id,
                "pathways",
                format!("no pathway `{id}`"),
            ));
        }
        check_watch(known, watch, "watches.toml", faults);
    }
    for step in &known.steps {
        let mut fault = |field: &str, problem: String| {
            faults.push(KnowledgeError::at("steps.toml", &step.id, field, problem))
        };
        let Some(from) = known.exercises.get(&step.from) else {
            fault("from", format!("no exercise `{}`", step.from));
            continue;
        };
        for to in step.to.iter().filter(|to| !from.next.contains(to)) {
            fault("to", format!("`{to}` does not follow `{}`", step.from));
        }
        named(known, &step.criteria, &mut |place, problem| {
            fault(&format!("criteria.{place}"), problem)
        });
    }
}

fn check_watch(known: &Knowledge, watch: &Watch, file: &str, faults: &mut Vec<KnowledgeError>) {
    let mut fault = |field: &str, problem: String| {
        faults.push(KnowledgeError::at(file, &watch.id, field, problem))
    };
    if watch.when.is_empty() {
        fault(
            "when",
            "without a criterion it would always speak".to_owned(),
        );
    }
    if watch
        .until_week
        .is_some_and(|until| until <= watch.from_week)
    {
        fault("until_week", "must come after from_week".to_owned());
    }
    for ladder in watch
        .ladders
        .iter()
        .filter(|l| !known.exercises.values().any(|e| &e.ladder == *l))
    {
        fault("ladders", format!("no ladder `{ladder}`"));
    }
    named(known, &watch.when, &mut |place, problem| {
        fault(&format!("when.{place}"), problem)
    });
}

/// What criteria speak of exists, and windows have a length.
fn named(known: &Knowledge, criteria: &[Criterion], fault: &mut dyn FnMut(&str, String)) {
    for c in criteria {
        match &c.ask {
            CriterionKind::Measure {
                quantity,
                max_age_days: days,
                ..
            }
            | CriterionKind::Change {
                quantity,
                over_days: days,
                ..
            } => {
                if known.quantity(quantity).is_none() {
                    fault(&c.id, format!("no quantity `{quantity}`"));
                }
                if *days <= 0 {
                    fault(&c.id, "a window has a length".to_owned());
                }
            }
            CriterionKind::Strength { test, against, .. } => {
                for id in std::iter::once(test)
                    .chain(against)
                    .filter(|id| !known.strength.iter().any(|s| &s.id == *id))
                {
                    fault(&c.id, format!("no strength test `{id}`"));
                }
            }
            CriterionKind::Score {
                max_age_days: days, ..
            }
            | CriterionKind::ScoreChange {
                over_days: days, ..
            }
            | CriterionKind::LagGain {
                max_age_days: days, ..
            }
            | CriterionKind::CountFromLog {
                window_days: days, ..
            } if *days <= 0 => {
                fault(&c.id, "a window has a length".to_owned());
            }
            _ => {}
        }
        named(known, c.ask.parts(), fault);
    }
}

/// The criteria that the made-up record does not meet, with what they say of it.
fn unmet(known: &Knowledge, pathway: &Pathway, gate: &Gate) -> Vec<(String, CriterionStatus)> {
    let Some(witness) = Witness::of(known, pathway, gate) else {
        return vec![("-".to_owned(), CriterionStatus::NotMeasured)];
    };
    let Some(assessment) = Assessment::new(known, &witness.facts) else {
        return Vec::new();
    };
    let Some(rule): Option<&GateRule> = assessment.rules.gate_after(gate.from_phase) else {
        return Vec::new();
    };
    let view = evaluate_gate(&assessment.ctx(), &witness.facts, rule);
    view.criteria
        .into_iter()
        .filter(|c| c.status != CriterionStatus::Met)
        .map(|c| (c.id, c.status))
        .collect()
}

/// A record made for one gate.
struct Witness {
    facts: Facts,
    day: EpisodeDay,
}

impl Witness {
    fn of(known: &Knowledge, pathway: &Pathway, gate: &Gate) -> Option<Witness> {
        let day0 = NaiveDate::from_ymd_opt(2024, 1, 1)?;
        let start = match pathway.clock {
            HealingClock::Operation => Start::Surgery,
            HealingClock::None => Start::Gradual,
            _ => Start::Injury,
        };
        let story = Story {
            other_side: OtherSide::Sound,
            ..Story::begun(&pathway.id, Arm::Right, day0, start)
        };
        let mut facts = Facts::new(day0, NaiveDate::from_ymd_opt(1984, 1, 1)?, story);
        facts.story.clearance = Some(Clearance {
            role: "surgeon".to_owned(),
            on: day0,
        });
        let day = Assessment::new(known, &facts)?
            .rules
            .gate_after(gate.from_phase)?
            .opens_day
            .max(1);
        let on = |week: i32| day0 + Days::new((week.max(0) * 7) as u64);
        for before in pathway
            .gates
            .iter()
            .filter(|g| g.from_phase < gate.from_phase)
        {
            // Phases last as long as their gates say.
            facts.gate_passes.push(GatePass {
                id: Uuid::nil(),
                gate: before.id.clone(),
                on: on(before.week),
                overridden: BTreeMap::new(),
            });
        }
        facts.today = day0 + Days::new(day as u64);
        let mut witness = Witness { facts, day };
        witness.train(known, pathway, gate.from_phase);
        let mut leaves = Vec::new();
        leaves_of(&gate.criteria, &mut leaves);
        for leaf in &leaves {
            witness.satisfy(known, leaf);
        }
        witness.agree(known);
        Some(witness)
    }

    /// An exercise of the phase, done every day.
    fn train(&mut self, known: &Knowledge, pathway: &Pathway, phase: u32) {
        let opened = pathway
            .phases
            .iter()
            .filter(|p| p.number <= phase)
            .flat_map(|p| &p.exercises);
        let Some(exercise) = opened.filter_map(|id| known.exercises.get(id)).next() else {
            return;
        };
        self.facts.lines.push(Line {
            id: Uuid::nil(),
            exercise: exercise.id.clone(),
            from_day: 0,
            to_day: self.day + 1,
            dose: exercise.dose,
            override_reason: None,
            by_hand: false,
        });
        let done = LogFact::Done {
            sessions: exercise.dose.times_per_day,
            repetitions: exercise.dose.repetitions,
        };
        for ago in (0..self.day.min(120)).rev() {
            let on = self.facts.today - Days::new(ago as u64);
            self.facts.log.push(LogEntry {
                id: Uuid::nil(),
                on,
                exercise: Some(exercise.id.clone()),
                fact: done,
                remark: String::new(),
            });
        }
    }

    fn satisfy(&mut self, known: &Knowledge, leaf: &CriterionKind) {
        let today = self.facts.today;
        match leaf {
            CriterionKind::Measure {
                quantity,
                op,
                value,
                of_other_side,
                ..
            } => {
                let Some(row) = known.quantity(quantity) else {
                    return;
                };
                let bound = if *of_other_side {
                    (value / 100.0 * row.reference).ceil()
                } else {
                    *value
                };
                self.read(quantity, Arm::Left, row.reference);
                let before = self
                    .facts
                    .measurements
                    .iter()
                    .find(|r| &r.quantity == quantity && r.side == Arm::Right)
                    .map(|r| r.value);
                let wanted = match (op, before) {
                    (Comparison::AtLeast, Some(there)) => there.max(bound),
                    (Comparison::AtMost, Some(there)) => there.min(bound),
                    (_, None) => bound,
                };
                self.read(quantity, Arm::Right, wanted);
            }
            CriterionKind::Strength {
                test,
                against,
                value,
                ..
            } => {
                for (id, side) in [(test, Arm::Left), (test, Arm::Right)]
                    .into_iter()
                    .chain(against.iter().map(|a| (a, Arm::Right)))
                {
                    let force = if id == test && side == Arm::Right {
                        value.max(100.0)
                    } else {
                        100.0
                    };
                    if !self
                        .facts
                        .strength
                        .iter()
                        .any(|t| &t.test == id && t.side == side)
                    {
                        self.push(id, side, force);
                    }
                }
            }
            CriterionKind::Score { score, value, .. } => {
                self.facts.scores.push(Score {
                    id: Uuid::nil(),
                    score: score.clone(),
                    value: *value,
                    on: today,
                });
            }
            CriterionKind::Attested { code, .. } => {
                self.facts.attestations.push(Attestation {
                    id: Uuid::nil(),
                    code: code.clone(),
                    holds: true,
                    on: today,
                });
            }
            _ => {}
        }
    }

    fn read(&mut self, quantity: &str, side: Arm, value: f64) {
        self.facts
            .measurements
            .retain(|r| r.quantity != quantity || r.side != side);
        self.facts.measurements.push(Measurement {
            id: Uuid::nil(),
            quantity: quantity.to_owned(),
            side,
            value,
            stop: StopReason::Stiff,
            by: TakenBy::Clinician,
            on: self.facts.today,
            arc: None,
            method: None,
            rater: None,
            remark: String::new(),
        });
    }

    fn push(&mut self, test: &str, side: Arm, force: f64) {
        for _ in 0..3 {
            self.facts.strength.push(StrengthTrial {
                id: Uuid::nil(),
                test: test.to_owned(),
                side,
                peak_n: force,
                lever_m: None,
                pain: None,
                device: None,
                sound: true,
                remark: String::new(),
                on: self.facts.today,
            });
        }
    }

    /// What is done actively is done passively too.
    fn agree(&mut self, known: &Knowledge) {
        for row in &known.quantities {
            let of = |id: &str, facts: &Facts| {
                facts
                    .measurements
                    .iter()
                    .find(|r| r.quantity == id && r.side == Arm::Right)
                    .map(|r| r.value)
            };
            if let Some(partner) = &row.partner
                && let (Some(active), Some(passive)) =
                    (of(&row.id, &self.facts), of(partner, &self.facts))
                && active > passive
            {
                self.read(partner, Arm::Right, active);
            }
        }
    }
}

fn leaves_of<'a>(criteria: &'a [Criterion], out: &mut Vec<&'a CriterionKind>) {
    for c in criteria {
        if c.ask.parts().is_empty() {
            out.push(&c.ask);
        }
        leaves_of(c.ask.parts(), out);
    }
}
