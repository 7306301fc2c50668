//! Lays a pathway with schools, modifiers and general health over the days of one shoulder.
//!
//! Modifiers can only tighten: ceilings take the smaller value, permissions must come from the pathway and from every modifier,
//! positions add up, classes take the later week.

use super::ceiling::Ceiling;
use super::needs::that_hold;
use super::schedule::{PhaseSpan, schedule};
use super::style::Style;
use super::timetable::{
    Timetable, chosen_schools, class_rule, corridors, gates, milestones, pain, sling, watches,
};
use super::types::{CapRule, Choices, ForbiddenRule, PhaseRule, PrecautionRule, Rules};
use crate::calendar::{EpisodeDay, Steps, WEEK};
use crate::facts::Facts;
use crate::knowledge::{EarlyWork, HealingClock, Knowledge, Modifier, Pathway};
use std::collections::BTreeMap;

impl Rules {
    /// The rules that hold for the facts.
    pub fn of(
        known: &Knowledge,
        pathway: &Pathway,
        facts: &Facts,
        strength_delay_weeks: i32,
    ) -> Rules {
        let story = &facts.story;
        let (schools, of_schools) = that_hold(known, pathway, facts);
        let choices = Choices {
            modifiers: story.modifiers.clone(),
            schools,
            strength_delay_weeks,
        };
        let mut rules = Rules::new(known, pathway, &choices);
        rules.of_schools = of_schools;
        rules.day0 = Some(story.day0);
        if pathway.clock == HealingClock::None {
            let spans = schedule(&rules, facts);
            rules.settle_phases(known, pathway, &spans);
        }
        rules
    }

    /// The rules of a pathway with choices; without a healing clock phases lie on their typical days.
    pub fn new(known: &Knowledge, pathway: &Pathway, choices: &Choices) -> Rules {
        let schools = chosen_schools(known, pathway, choices);
        let modifiers: Vec<&Modifier> = choices
            .modifiers
            .iter()
            .filter_map(|id| {
                known
                    .modifiers
                    .iter()
                    .find(|m| m.id == *id && m.pathways.iter().any(|p| p == pathway.column()))
            })
            .collect();
        let time = Timetable::new(
            known,
            pathway,
            &schools,
            &modifiers,
            choices.strength_delay_weeks,
        );
        let early: Vec<&EarlyWork> = schools.iter().filter_map(|s| s.early.as_ref()).collect();
        let first = pathway.phases.first().map(|p| p.number);
        let phases: Vec<PhaseRule> = pathway
            .phases
            .iter()
            .map(|p| {
                let earliest = time.phase_week(&p.id, p.earliest_week);
                // What comes early belongs to the first phase, and leads it.
                let added = || {
                    early
                        .iter()
                        .filter(|_| Some(p.number) == first)
                        .flat_map(|e| &e.exercises)
                };
                let ladders = added().filter_map(|id| Some(&known.exercises.get(id)?.ladder));
                PhaseRule {
                    id: p.id.clone(),
                    number: p.number,
                    earliest_day: earliest * WEEK,
                    expected_end_day: (p.expected_end_week + earliest - p.earliest_week) * WEEK,
                    exercises: p.exercises.iter().chain(added()).cloned().collect(),
                    focus: ladders.chain(&p.focus).cloned().collect(),
                    max_lines: p.max_lines,
                    max_minutes: p.max_minutes,
                }
            })
            .collect();
        let mut opens = BTreeMap::new();
        for phase in pathway.phases.iter().rev() {
            for exercise in &phase.exercises {
                opens.insert(
                    exercise.clone(),
                    (phase.number, phase.clinician.contains(exercise)),
                );
            }
        }
        for exercise in early.iter().flat_map(|e| &e.exercises) {
            opens.insert(exercise.clone(), (first.unwrap_or(1), false));
        }
        let days = |id: &str| known.threshold(id) as EpisodeDay;
        let mut rules = Rules {
            id: pathway.id.clone(),
            column: pathway.column().to_owned(),
            // Releases from before there were clocks have one pathway without phases: nothing in it heals by the calendar.
            day0: None,
            loose: pathway.loose,
            clock: if pathway.phases.is_empty() {
                HealingClock::None
            } else {
                pathway.clock
            },
            end_day: pathway
                .weeks
                .max(phases.last().map_or(0, |p| p.expected_end_day / WEEK))
                * WEEK,
            least_stay_days: days("least-stay-days"),
            gate_due_days: days("gate-due-days"),
            single_repetitions: known.threshold("single-repetitions") as u32,
            hold_most_s: known.threshold("hold-most-s") as u32,
            resisted_days_per_week: known.threshold("slow-or-quick-days-per-week") as u32,
            irritable_hold_s: known.threshold("irritable-hold-s") as u32,
            corridors: Vec::new(),
            forbidden: Vec::new(),
            precautions: Vec::new(),
            sling: sling(pathway, &schools, &time),
            milestones: milestones(pathway, &time),
            gates: gates(pathway, &phases),
            watches: watches(known, pathway, &time),
            style: Style::of(&schools),
            schools: schools
                .iter()
                .map(|s| (s.question.clone(), s.id.clone()))
                .collect(),
            of_schools: Vec::new(),
            allowances: Vec::new(),
            caps: modifiers
                .iter()
                .flat_map(|m| m.cap.iter())
                .flat_map(|cap| {
                    cap.groups.iter().map(|group| CapRule {
                        group: *group,
                        until_day: cap.until_week * WEEK,
                        levels: cap.levels.clone(),
                        effort_max_pct: cap.effort_max_pct,
                    })
                })
                .collect(),
            classes: BTreeMap::new(),
            pain: Steps { steps: Vec::new() },
            phases,
            turning: Vec::new(),
            opens,
        };
        let typical: Vec<EpisodeDay> = rules.phases.iter().map(|p| p.earliest_day).collect();
        rules.lay(known, pathway, &modifiers, &time, &typical, &early);
        rules
    }

    /// Lays what counts in phases on the days on which the phases began or are expected.
    fn settle_phases(&mut self, known: &Knowledge, pathway: &Pathway, spans: &[PhaseSpan]) {
        let days: Vec<EpisodeDay> = spans.iter().map(|s| s.from_day).collect();
        let choices = Choices {
            schools: self.schools.iter().cloned().collect(),
            ..Choices::default()
        };
        let schools = chosen_schools(known, pathway, &choices);
        let time = Timetable::new(known, pathway, &schools, &[], 0);
        let early: Vec<&EarlyWork> = schools.iter().filter_map(|s| s.early.as_ref()).collect();
        self.lay(known, pathway, &[], &time, &days, &early);
    }

    fn lay(
        &mut self,
        known: &Knowledge,
        pathway: &Pathway,
        modifiers: &[&Modifier],
        time: &Timetable,
        phase_days: &[EpisodeDay],
        early: &[&EarlyWork],
    ) {
        let day_of = |phase: u32| {
            phase_days
                .get(phase.saturating_sub(1) as usize)
                .copied()
                .unwrap_or(EpisodeDay::MAX)
        };
        self.corridors = corridors(pathway, modifiers, time, &day_of);
        for (quantity, least) in early.iter().flat_map(|e| &e.ceilings) {
            let of = self.corridors.iter_mut().filter(|c| c.id == *quantity);
            for (_, ceiling) in of.flat_map(|c| &mut c.ceilings.steps) {
                if let Ceiling::UpTo { value } = ceiling {
                    *value = value.max(*least);
                }
            }
        }
        self.pain = pain(pathway, time, &day_of);
        self.allowances = pathway
            .allowances
            .iter()
            .map(|row| {
                (
                    row.from_phase
                        .map_or_else(|| time.allowance_week(row) * WEEK, day_of),
                    // A school that opens more has rows of its own in their place.
                    early
                        .iter()
                        .flat_map(|e| &e.allowance)
                        .find(|own| own.id == row.id)
                        .unwrap_or(row)
                        .clone(),
                )
            })
            .collect();
        self.allowances.sort_by_key(|(day, _)| *day);
        let lifted = |id: &String| early.iter().any(|e| e.lifts.contains(id));
        self.forbidden = pathway
            .forbidden
            .iter()
            .filter(|f| !lifted(&f.id))
            .map(|f| ForbiddenRule {
                id: f.id.clone(),
                until_day: f
                    .until_phase
                    .map_or_else(|| time.later(f.until_week) * WEEK, day_of),
                all: f.all.clone(),
                tags: f.tags.clone(),
            })
            .chain(
                modifiers
                    .iter()
                    .flat_map(|m| &m.forbidden)
                    .map(|f| ForbiddenRule {
                        id: f.id.clone(),
                        until_day: f.until_week * WEEK,
                        all: f.all.clone(),
                        tags: f.tags.clone(),
                    }),
            )
            .collect();
        let own = pathway.precautions.iter().map(|p| PrecautionRule {
            id: p.id.clone(),
            from_day: p
                .from_phase
                .map_or_else(|| time.later(p.from_week) * WEEK, day_of),
            until_day: p.until_phase.map_or_else(
                || time.later(p.until_week) * WEEK,
                |n| day_of(n).min(self.end_day),
            ),
        });
        let added = modifiers
            .iter()
            .flat_map(|m| &m.precaution)
            .map(|p| PrecautionRule {
                id: p.id.clone(),
                from_day: p.from_week * WEEK,
                until_day: p.until_week * WEEK,
            });
        let mut precautions: Vec<PrecautionRule> = Vec::new();
        for p in own.chain(added).filter(|p| p.until_day > p.from_day) {
            match precautions
                .iter_mut()
                .find(|q| q.id == p.id && p.from_day <= q.until_day && q.from_day <= p.until_day)
            {
                Some(q) => {
                    q.from_day = q.from_day.min(p.from_day);
                    q.until_day = q.until_day.max(p.until_day);
                }
                None => precautions.push(p),
            }
        }
        self.precautions = precautions;
        self.classes = known
            .gate_classes
            .values()
            .filter_map(|c| {
                Some((
                    c.id.clone(),
                    class_rule(pathway, c, modifiers, time, &day_of)?,
                ))
            })
            .collect();
        for class in early.iter().flat_map(|e| &e.classes) {
            if let Some(rule) = self.classes.get_mut(class) {
                rule.opens_day = rule.opens_day.min(0);
            }
        }
        self.turning = self.worked_turning_days().into_iter().collect();
    }
}
