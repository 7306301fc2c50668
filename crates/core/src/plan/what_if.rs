//! What if: the same shoulder under another school, a tighter limit, fewer minutes, after a fortnight missed; side by side.

use super::chart::{PlanChart, plan_chart};
use super::difference::{PlanDifference, difference};
use super::expected::expected;
use crate::assessment::Assessment;
use crate::calendar::EpisodeDay;
use crate::facts::{Facts, Line, SurgeonLimit};
use crate::knowledge::Knowledge;
use crate::rules::Ceiling;
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};
use uuid::Uuid;

/// What is different in the variant; what is left out stays as it is.
#[derive(Debug, Clone, PartialEq, Default, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Variant {
    /// Schools by question.
    #[serde(default)]
    pub schools: BTreeMap<String, String>,
    /// Modifiers that are added.
    #[serde(default)]
    pub modifiers: Vec<String>,
    /// Limits that are added.
    #[serde(default)]
    pub limits: Vec<SurgeonLimit>,
    /// Minutes a day.
    #[serde(default)]
    pub minutes_per_day: Option<u32>,
    /// Days from today on which nothing is done.
    #[serde(default)]
    pub missed_days: Option<i32>,
}

/// One thing that differs.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Moved {
    /// `phase`, `gate`, `ceiling` or `sling`.
    pub kind: String,
    /// Phase, gate or quantity id.
    pub what: String,
    /// As it is: a day, or a ceiling's measurement on `day`; nothing where there is none.
    pub base: Option<f64>,
    /// In the variant.
    pub variant: Option<f64>,
    /// For a ceiling: the day looked at.
    pub day: Option<EpisodeDay>,
}

/// Both, side by side.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WhatIf {
    /// As it is, built anew.
    pub base: PlanChart,
    /// The variant.
    pub variant: PlanChart,
    /// What moves.
    pub moved: Vec<Moved>,
    /// Which exercises come, go or move.
    pub exercises: Vec<PlanDifference>,
}

/// Builds both from the same facts. `None` when the pathway is not known.
pub fn what_if(known: &Knowledge, facts: &Facts, variant: &Variant, seed: Uuid) -> Option<WhatIf> {
    let mut other = facts.clone();
    other.story.schools.extend(variant.schools.clone());
    for id in variant
        .modifiers
        .iter()
        .filter(|id| !facts.story.modifiers.contains(id))
    {
        other.story.modifiers.push(id.clone());
    }
    other.limits.extend(variant.limits.iter().cloned());
    other.story.minutes_per_day = variant.minutes_per_day.or(other.story.minutes_per_day);
    let (base, base_lines) = plan(known, facts, 0, seed)?;
    let (chart, lines) = plan(
        known,
        &other,
        variant.missed_days.unwrap_or(0).clamp(0, 180),
        seed,
    )?;
    let moved = moved(&base, &chart);
    let exercises = difference(facts.day(), &base_lines, &lines);
    Some(WhatIf {
        base,
        variant: chart,
        moved,
        exercises,
    })
}

fn plan(
    known: &Knowledge,
    facts: &Facts,
    missed: i32,
    seed: Uuid,
) -> Option<(PlanChart, Vec<Line>)> {
    let mut facts = facts.clone();
    let today = facts.day();
    let lines = {
        let assessment = Assessment::new(known, &facts)?;
        let mut spans = expected(&assessment.ctx(), &facts);
        for span in &mut spans {
            if span.from_day > today {
                span.from_day += missed;
            }
            if span.to_day > today {
                span.to_day += missed;
            }
        }
        let mut lines = assessment.propose_over(&spans, seed).lines;
        for line in &mut lines {
            line.from_day = line.from_day.max(today + missed);
        }
        lines.retain(|l| l.to_day > l.from_day);
        lines
    };
    facts.lines.clone_from(&lines);
    let assessment = Assessment::new(known, &facts)?;
    let mut chart = plan_chart(&assessment.ctx(), &facts);
    for phase in &mut chart.phases {
        if phase.from_day > today {
            phase.from_day += missed;
        }
        if phase.to_day > today {
            phase.to_day += missed;
        }
    }
    for gate in chart
        .gates
        .iter_mut()
        .filter(|g| !g.passed && g.day > today)
    {
        gate.day += missed;
    }
    chart.end_day += missed;
    Some((chart, lines))
}

fn moved(base: &PlanChart, other: &PlanChart) -> Vec<Moved> {
    let mut out = Vec::new();
    let mut say =
        |kind: &str, what: &str, a: Option<f64>, b: Option<f64>, day: Option<EpisodeDay>| {
            if a != b {
                out.push(Moved {
                    kind: kind.to_owned(),
                    what: what.to_owned(),
                    base: a,
                    variant: b,
                    day,
                });
            }
        };
    // A gate stands where its phase begins: a phase is told only where no gate leads to it.
    let led_to = |number: u32| base.gates.iter().any(|g| g.view.from_phase + 1 == number);
    for phase in base.phases.iter().filter(|p| !led_to(p.number)) {
        let there = other.phases.iter().find(|p| p.id == phase.id);
        say(
            "phase",
            &phase.id,
            Some(f64::from(phase.from_day)),
            there.map(|p| f64::from(p.from_day)),
            None,
        );
    }
    for gate in &base.gates {
        let there = other.gates.iter().find(|g| g.view.gate == gate.view.gate);
        say(
            "gate",
            &gate.view.gate,
            Some(f64::from(gate.day)),
            there.map(|g| f64::from(g.day)),
            None,
        );
    }
    let nights = |s: &PlanChart| s.sling.as_ref().map(|s| f64::from(s.nights_until));
    say("sling", "sling", nights(base), nights(other), None);
    let quantities: BTreeSet<&str> = base
        .corridors
        .iter()
        .chain(&other.corridors)
        .map(|c| c.quantity.as_str())
        .collect();
    for quantity in quantities {
        let on = |chart: &PlanChart, day: EpisodeDay| {
            let corridor = chart.corridors.iter().find(|c| c.quantity == quantity)?;
            let band = corridor
                .bands
                .iter()
                .find(|b| (b.from_day..b.to_day).contains(&day))?;
            match band.ceiling {
                Ceiling::NoneAllowed => Some(0.0),
                Ceiling::UpTo { value } => Some(value),
                Ceiling::Free => None,
            }
        };
        let starts = |chart: &PlanChart| -> Vec<EpisodeDay> {
            let found = chart.corridors.iter().find(|c| c.quantity == quantity);
            found
                .map(|c| c.bands.iter().map(|b| b.from_day).collect())
                .unwrap_or_default()
        };
        let days: BTreeSet<EpisodeDay> = starts(base)
            .into_iter()
            .chain(starts(other))
            .filter(|d| *d >= base.today.day)
            .collect();
        let mut last = None;
        for day in days {
            let pair = (on(base, day), on(other, day));
            if pair.0 != pair.1 && last != Some(pair) {
                say("ceiling", quantity, pair.0, pair.1, Some(day));
            }
            last = Some(pair);
        }
    }
    out
}
