//! Which lines of a program run on a day: never one that waits for a gate.

use super::check::check_exercise;
use super::verdict::Status;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, Line};

/// The lines that belong to a day: those planned for it in a phase that has been reached, and, while a
/// gate is due and not passed, those that the plan had ending at that gate.
///
/// Nobody stops exercising because a gate is late, and nobody starts what lies behind it.
/// Source: common practice, no published source (hold: stay in the phase, keep the program).
pub fn scheduled_lines<'a>(ctx: &CheckContext, facts: &'a Facts, day: EpisodeDay) -> Vec<&'a Line> {
    let opens = |line: &Line| {
        ctx.rules
            .opening_phase(&line.exercise)
            .map_or(u32::MAX, |phase| phase.number)
    };
    let due = ctx
        .rules
        .gate_after(ctx.phase)
        .map(|gate| gate.opens_day)
        .filter(|opens_day| day >= *opens_day);
    let reached: Vec<&Line> = facts
        .lines
        .iter()
        .filter(|line| opens(line) <= ctx.phase && line.from_day <= day)
        .collect();
    let mut out: Vec<&Line> = reached
        .iter()
        .copied()
        .filter(|line| day < line.to_day)
        .collect();
    if let Some(gate_day) = due {
        for line in reached
            .into_iter()
            .filter(|line| line.to_day >= gate_day && line.to_day <= day)
        {
            if !out.iter().any(|kept| kept.exercise == line.exercise) {
                out.push(line);
            }
        }
    }
    out
}

/// The scheduled lines that the safety check does not block on that day: what is printed and done.
pub fn running_lines<'a>(ctx: &CheckContext, facts: &'a Facts, day: EpisodeDay) -> Vec<&'a Line> {
    scheduled_lines(ctx, facts, day)
        .into_iter()
        .filter(|line| facts.paused(&line.exercise).is_none())
        .filter(|line| {
            let exercise = ctx.known.exercises.get(&line.exercise);
            exercise
                .is_some_and(|e| check_exercise(ctx, e, &line.dose, day).status != Status::Blocked)
        })
        .collect()
}
