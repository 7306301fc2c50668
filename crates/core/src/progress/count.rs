//! Criteria about the home log: how often something happened in a window.

use super::adherence::adherence_pct;
use super::moved::Judged;
use super::status::{CriterionStatus, met_if, op_word};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, LogFact};
use crate::knowledge::{Comparison, LogEvent};
use crate::ranges::measurement_view;
use crate::reason::Reason;
use std::collections::BTreeMap;

pub(super) fn count(
    ctx: &CheckContext,
    facts: &Facts,
    event: LogEvent,
    window: i32,
    op: Comparison,
    n: f64,
) -> Judged {
    let today = facts.day();
    let within = |day: EpisodeDay| day <= today && day > today - window;
    let name = match event {
        LogEvent::Slip => "slip",
        LogEvent::OverCeiling => "over-ceiling",
        LogEvent::SessionsDonePct => "sessions-done-pct",
        LogEvent::PainAboveMode => "pain-above-mode",
    };
    let asks = match event {
        LogEvent::SessionsDonePct => Reason::new("asks-sessions-done"),
        _ => Reason::new("asks-count").with("event", name),
    };
    let asks = asks
        .with("op", op_word(op))
        .with("n", n)
        .with("days", window);
    // Days on which it happened; a later entry of a day corrects an earlier one.
    let mut days: BTreeMap<EpisodeDay, bool> = BTreeMap::new();
    let counted = match event {
        LogEvent::OverCeiling => {
            // Only measurements can breach a ceiling; with none in the window there is nothing to hold against anybody.
            let recent = facts
                .measurements
                .iter()
                .filter(|r| within(facts.day_of(r.on)));
            Some(
                recent
                    .filter(|r| measurement_view(ctx, facts, r).over_ceiling)
                    .count() as f64,
            )
        }
        LogEvent::Slip => {
            let slips: Vec<EpisodeDay> = (ctx.log.slips(facts))
                .map(|e| facts.day_of(e.on))
                .filter(|day| within(*day))
                .collect();
            days.extend(slips.iter().map(|day| (*day, true)));
            logged(facts, &within).then_some(slips.len() as f64)
        }
        LogEvent::PainAboveMode => {
            for entry in &facts.log {
                let day = facts.day_of(entry.on);
                if let (LogFact::PainDuring { value }, true) = (&entry.fact, within(day)) {
                    let exercise = entry.exercise.as_ref();
                    let exercise = exercise.and_then(|id| ctx.known.exercises.get(id));
                    let max = ctx.rules.pain_max(ctx.known, exercise, day);
                    days.insert(day, *value > max);
                }
            }
            days.retain(|_, above| *above);
            logged(facts, &within).then_some(days.len() as f64)
        }
        LogEvent::SessionsDonePct => adherence_pct(ctx, facts, window),
    };
    match counted {
        None => (
            CriterionStatus::NotMeasured,
            asks,
            Some(Reason::new("datum-nothing-logged").with("days", window)),
        ),
        Some(value) => {
            let datum = match event {
                LogEvent::SessionsDonePct => Reason::new("datum-sessions-done"),
                _ => Reason::new("datum-count").with("event", name),
            };
            let mut datum = datum.with("value", value.round());
            if let Some(day) = days.keys().next_back() {
                datum = datum.with("day", *day);
            }
            (met_if(op.holds(value, n)), asks, Some(datum))
        }
    }
}

fn logged(facts: &Facts, within: &impl Fn(EpisodeDay) -> bool) -> bool {
    facts.log.iter().rev().any(|e| within(facts.day_of(e.on)))
}
