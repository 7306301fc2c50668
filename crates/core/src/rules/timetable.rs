//! Where the rows of a pathway lie in days, once schools and modifiers have spoken.

use super::ceiling::Ceiling;
use super::types::{
    Choices, ClassRule, CorridorRule, GateRule, Lock, MilestoneRule, PainRule, PhaseRule,
    SlingRule, WatchRule,
};
use crate::calendar::{EpisodeDay, Steps, WEEK};
use crate::knowledge::{
    Allowance, Corridor, CriterionKind, GateClass, Group, HealingClock, Knowledge, Level, Modifier,
    Pathway, School,
};
use std::collections::BTreeSet;

/// Where the weeks of a pathway lie once schools and modifiers have spoken.
pub(super) struct Timetable<'a> {
    schools: &'a [&'a School],
    second_phase_week: i32,
    delay: i32,
    strength_delay: i32,
    /// The week in which resisted work of a repair starts.
    resisted_from_week: i32,
}

impl<'a> Timetable<'a> {
    pub(super) fn new(
        known: &Knowledge,
        pathway: &Pathway,
        schools: &'a [&'a School],
        modifiers: &[&Modifier],
        health_delay: i32,
    ) -> Self {
        let clocked = pathway.clock != HealingClock::None;
        let most = |weeks: &dyn Fn(&Modifier) -> i32| {
            modifiers.iter().map(|m| weeks(m)).max().unwrap_or(0)
        };
        Timetable {
            schools,
            second_phase_week: pathway.phase(2).map_or(i32::MAX, |p| p.earliest_week),
            resisted_from_week: known.threshold("resisted-from-week") as i32,
            delay: if clocked { most(&|m| m.delay_weeks) } else { 0 },
            strength_delay: if clocked {
                most(&|m| m.strength_delay_weeks).max(health_delay)
            } else {
                0
            },
        }
    }

    pub(super) fn school(&self, pick: impl Fn(&School) -> Option<i32>) -> Option<i32> {
        self.schools.iter().filter_map(|s| pick(s)).max()
    }

    /// A week with the delay of the modifiers: what belongs to the first phase stays.
    pub(super) fn later(&self, week: i32) -> i32 {
        if week > 0 && week >= self.second_phase_week {
            week + self.delay
        } else {
            week
        }
    }

    pub(super) fn phase_week(&self, id: &str, written: i32) -> i32 {
        self.later(
            self.school(|s| s.phase_weeks.get(id).copied())
                .unwrap_or(written),
        )
    }

    pub(super) fn opens_week(&self, corridor: &Corridor) -> i32 {
        self.later(
            self.school(|s| s.opens_weeks.get(&corridor.id).copied())
                .unwrap_or(corridor.opens_week),
        )
    }

    pub(super) fn allowance_week(&self, row: &Allowance) -> i32 {
        let week = self.later(
            self.school(|s| s.allowance_weeks.get(&row.id).copied())
                .unwrap_or(row.from_week),
        );
        // Rows that open resisted work wait for general health, the earlier ones do not.
        let strength = row
            .levels(Group::Cuff)
            .iter()
            .any(|level| *level >= Level::ResistedLight);
        week + if strength { self.strength_delay } else { 0 }
    }

    pub(super) fn class_week(&self, class: &GateClass, written: i32) -> i32 {
        let by_shift = |week: i32| {
            self.school(|s| {
                s.classes_later
                    .filter(|[from, _]| week >= *from)
                    .map(|[_, later]| later)
            })
            .unwrap_or(0)
        };
        let week = self
            .school(|s| s.class_weeks.get(&class.id).copied())
            .unwrap_or(written + by_shift(written));
        // From where resisted work of a repair starts general health delays, whatever the class is called.
        self.later(week)
            + if class.strength || written >= self.resisted_from_week {
                self.strength_delay
            } else {
                0
            }
    }
}

pub(super) fn chosen_schools<'a>(
    known: &'a Knowledge,
    pathway: &'a Pathway,
    choices: &Choices,
) -> Vec<&'a School> {
    let all: Vec<&School> = pathway.schools.iter().chain(&known.schools).collect();
    let mut questions: Vec<&str> = Vec::new();
    for school in &all {
        if !questions.contains(&school.question.as_str()) {
            questions.push(&school.question);
        }
    }
    let of = |question: &str| {
        let here = |s: &&&School| s.question == question;
        let chosen = choices
            .schools
            .get(question)
            .and_then(|id| all.iter().filter(here).find(|s| &s.id == id));
        chosen
            .or_else(|| all.iter().filter(here).find(|s| s.default))
            .copied()
    };
    questions.into_iter().filter_map(of).collect()
}

pub(super) fn corridors(
    pathway: &Pathway,
    modifiers: &[&Modifier],
    time: &Timetable,
    day_of: &dyn Fn(u32) -> EpisodeDay,
) -> Vec<CorridorRule> {
    let mut out: Vec<CorridorRule> = pathway
        .corridors
        .iter()
        .map(|c| {
            let (opens_day, mut steps) = if c.by_phase() {
                by_phase(c, day_of)
            } else {
                by_week(c, time)
            };
            let floors = c.rows.iter().filter_map(|r| {
                r.floor
                    .map(|floor| (time.later(r.end_of_week) * WEEK, floor))
            });
            let floors = floors
                .filter(|(day, _)| *day >= opens_day + Corridor::FLOOR_GRACE_DAYS)
                .collect();
            steps.push((EpisodeDay::MIN, Ceiling::NoneAllowed));
            CorridorRule {
                id: c.id.clone(),
                opens_day,
                ceilings: Steps::new(steps),
                floors: Steps::new(floors),
            }
        })
        .collect();
    for added in modifiers.iter().flat_map(|m| &m.corridor) {
        let mut steps = vec![];
        let mut from = EpisodeDay::MIN;
        for row in &added.rows {
            steps.push((
                from,
                row.ceiling
                    .map_or(Ceiling::NoneAllowed, |value| Ceiling::UpTo { value }),
            ));
            from = row.until_week * WEEK;
        }
        steps.push((from, Ceiling::Free));
        let theirs = Steps::new(steps);
        match out.iter_mut().find(|c| c.id == added.id) {
            Some(own) => own.ceilings = tighter(&own.ceilings, &theirs),
            None => out.push(CorridorRule {
                id: added.id.clone(),
                opens_day: 0,
                ceilings: theirs,
                floors: Steps::new(Vec::new()),
            }),
        }
    }
    for c in &mut out {
        c.opens_day = c
            .ceilings
            .steps
            .iter()
            .find(|(_, ceiling)| *ceiling != Ceiling::NoneAllowed)
            .map_or(EpisodeDay::MAX, |(day, _)| (*day).max(0));
    }
    out
}

/// The row "end of week N" holds from where the row before it ended through day 7N − 1.
pub(super) fn by_week(
    corridor: &Corridor,
    time: &Timetable,
) -> (EpisodeDay, Vec<(EpisodeDay, Ceiling)>) {
    let opens = time.opens_week(corridor) * WEEK;
    let mut steps = Vec::new();
    let mut from = 0;
    for row in &corridor.rows {
        let end = time.later(row.end_of_week) * WEEK;
        if end > opens {
            let ceiling = if row.free {
                Ceiling::Free
            } else {
                row.ceiling
                    .map_or(Ceiling::NoneAllowed, |value| Ceiling::UpTo { value })
            };
            steps.push((from.max(opens), ceiling));
        }
        from = end;
    }
    steps.push((from.max(opens), Ceiling::Free));
    (opens, steps)
}

pub(super) fn by_phase(
    corridor: &Corridor,
    day_of: &dyn Fn(u32) -> EpisodeDay,
) -> (EpisodeDay, Vec<(EpisodeDay, Ceiling)>) {
    let ceiling = |row: &crate::knowledge::CorridorRow| match row.ceiling {
        _ if row.barred => Ceiling::NoneAllowed,
        Some(value) => Ceiling::UpTo { value },
        None => Ceiling::Free,
    };
    let steps: Vec<(EpisodeDay, Ceiling)> = corridor
        .rows
        .iter()
        .filter_map(|row| row.phase.map(|phase| (day_of(phase), ceiling(row))))
        .collect();
    (
        steps
            .iter()
            .find(|(_, c)| *c != Ceiling::NoneAllowed)
            .map_or(0, |(day, _)| *day),
        steps,
    )
}

/// The tighter of two ceilings on every day.
pub(super) fn tighter(a: &Steps<Ceiling>, b: &Steps<Ceiling>) -> Steps<Ceiling> {
    let days: BTreeSet<EpisodeDay> = a.steps.iter().chain(&b.steps).map(|s| s.0).collect();
    let on = |steps: &Steps<Ceiling>, day| steps.at(day).copied().unwrap_or(Ceiling::NoneAllowed);
    Steps::new(
        days.into_iter()
            .map(|day| (day, on(a, day).tighter(on(b, day))))
            .collect(),
    )
}

pub(super) fn sling(pathway: &Pathway, schools: &[&School], time: &Timetable) -> Option<SlingRule> {
    let row = pathway.sling.first()?;
    let [days, nights] = schools
        .iter()
        .find_map(|s| s.sling_weeks)
        .unwrap_or([row.day_and_night_until_week, row.nights_until_week]);
    Some(SlingRule {
        id: row.id.clone(),
        day_and_night_until: time.later(days) * WEEK,
        nights_until: time.later(nights) * WEEK,
    })
}

pub(super) fn milestones(pathway: &Pathway, time: &Timetable) -> Vec<MilestoneRule> {
    pathway
        .milestones
        .iter()
        .map(|m| MilestoneRule {
            id: m.id.clone(),
            day: time.later(m.week) * WEEK,
            quantity: m.quantity.clone(),
            strength: m.strength.clone(),
            at_least: m.at_least,
        })
        .collect()
}

/// A gate stands at the beginning of the phase it opens, and its own time criterion moves with it.
pub(super) fn gates(pathway: &Pathway, phases: &[PhaseRule]) -> Vec<GateRule> {
    pathway
        .gates
        .iter()
        .map(|gate| {
            let opens_day = phases
                .iter()
                .find(|p| p.number == gate.from_phase + 1)
                .map_or(gate.week * WEEK, |p| p.earliest_day);
            let criteria = gate.criteria.iter().cloned().map(|mut c| {
                if let CriterionKind::TimeSince { weeks } = &mut c.ask {
                    *weeks = (*weeks).max(opens_day / WEEK);
                    // A school may also open the door earlier than it is written.
                    if opens_day < gate.week * WEEK {
                        *weeks = opens_day / WEEK;
                    }
                }
                c
            });
            GateRule {
                id: gate.id.clone(),
                from_phase: gate.from_phase,
                opens_day,
                holds_time: pathway.clock != HealingClock::None,
                criteria: criteria.collect(),
            }
        })
        .collect()
}

/// The watches of the pathway itself, then the watches that several pathways share.
pub(super) fn watches(known: &Knowledge, pathway: &Pathway, time: &Timetable) -> Vec<WatchRule> {
    let shared = known
        .watches
        .iter()
        .filter(|w| w.pathways.is_empty() || w.pathways.iter().any(|p| p == pathway.column()));
    let rows = pathway.watches.iter().chain(shared);
    let day = |week: i32| time.later(week) * WEEK;
    rows.map(|row| WatchRule {
        from_day: day(row.from_week),
        until_day: row.until_week.map_or(EpisodeDay::MAX, day),
        row: row.clone(),
    })
    .collect()
}

/// How much pain is tolerated from which day on. A school may only lower it.
pub(super) fn pain(
    pathway: &Pathway,
    time: &Timetable,
    day_of: &dyn Fn(u32) -> EpisodeDay,
) -> Steps<PainRule> {
    let chosen = time.schools.iter().filter_map(|s| s.pain_during_max);
    let most = chosen.fold(f64::INFINITY, f64::min);
    let rows = pathway.pain.iter().map(|row| {
        let day = row
            .from_phase
            .map_or_else(|| time.later(row.from_week) * WEEK, day_of);
        let rule = PainRule {
            max: row.max.min(most),
            settles_h: row.settles_h,
        };
        (day, rule)
    });
    Steps::new(rows.collect())
}

pub(super) fn class_rule(
    pathway: &Pathway,
    class: &GateClass,
    modifiers: &[&Modifier],
    time: &Timetable,
    day_of: &dyn Fn(u32) -> EpisodeDay,
) -> Option<ClassRule> {
    let columns = std::iter::once(pathway.column()).chain(modifiers.iter().map(|m| m.id.as_str()));
    let mut out: Option<ClassRule> = None;
    for column in columns {
        let own = column == pathway.column();
        let lock = |ids: &[String]| ids.iter().any(|id| id == column);
        let lock = if lock(&class.never) {
            Lock::Never
        } else if lock(&class.clinician) {
            Lock::Clinician
        } else {
            Lock::Open
        };
        let day = if own && pathway.clock == HealingClock::None {
            Some(day_of(class.phases.get(column).copied().unwrap_or(1)))
        } else if own {
            pathway
                .class_weeks
                .get(&class.id)
                .or_else(|| class.weeks.get(column))
                .map(|week| time.class_week(class, *week) * WEEK)
        } else {
            class.weeks.get(column).map(|week| *week * WEEK)
        };
        if day.is_none() && lock == Lock::Open {
            continue;
        }
        let day = day.unwrap_or(0);
        out = Some(match out {
            None => ClassRule {
                opens_day: day,
                lock,
                whose: column.to_owned(),
            },
            Some(before) => ClassRule {
                whose: if lock > before.lock || day > before.opens_day {
                    column.to_owned()
                } else {
                    before.whose
                },
                opens_day: before.opens_day.max(day),
                lock: before.lock.max(lock),
            },
        });
    }
    out
}
