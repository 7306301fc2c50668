//! Where the rungs of a ladder find their days: each from the first on which nothing speaks against it.

use super::ask::BuildAsk;
use super::dose::{bounding, start_dose, within_irritability};
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::facts::Line;
use crate::knowledge::{Dose, Exercise, Helper, Level, Purpose};
use crate::rules::PhaseRule;
use crate::safety::{Status, check_exercise};

/// The rungs of a ladder a phase works on: those it opens, or the highest one opened before.
pub(super) fn open_rungs<'a>(
    ctx: &CheckContext<'a>,
    ask: &BuildAsk,
    phase: &PhaseRule,
    ladder: &str,
    planned: &[Line],
) -> Vec<&'a Exercise> {
    let bound = bounding(ask.irritability, ctx.rules.clock);
    // How irritable it is today says nothing about a phase that is not reached.
    let fits = |e: &Exercise| phase.number > ctx.phase || within_irritability(e, bound);
    let mut all: Vec<(&Exercise, u32)> = ctx
        .known
        .exercises
        .values()
        .filter(|e| e.ladder == ladder && fits(e))
        .filter_map(|e| ctx.rules.opening_phase(&e.id).map(|p| (e, p.number)))
        .filter(|(_, opens)| *opens <= phase.number)
        .collect();
    all.sort_by_key(|(e, _)| e.rung);
    let own: Vec<&Exercise> = all
        .iter()
        .filter(|(_, opens)| *opens == phase.number)
        .map(|(e, _)| *e)
        .collect();
    // Whoever is first seen in a later phase has trained nothing here: loading starts at the ladder's first rung.
    let on_it = |l: &Line| {
        let exercise = ctx.known.exercises.get(&l.exercise);
        exercise.is_some_and(|e| e.ladder == ladder)
    };
    let late = ctx.phase > 1 && ask.current.is_empty() && !planned.iter().any(on_it);
    let loads = |e: &&Exercise| e.hardest() >= Level::ResistedLight;
    let mut out = if late && own.first().is_some_and(loads) {
        let here = |(e, opens): &&(&'a Exercise, u32)| *opens == phase.number || loads(e);
        all.iter().filter(here).map(|(e, _)| *e).collect()
    } else if own.is_empty() {
        let highest = all.last().map(|(e, _)| *e);
        let lowest = || all.iter().map(|(e, _)| *e).find(loads);
        match highest {
            Some(e) if late && loads(&e) => lowest().into_iter().collect(),
            e => e.into_iter().collect::<Vec<_>>(),
        }
    } else {
        own
    };
    // Where a phase can load a ladder either way for the same purpose, the school says with what.
    if let Some(helper) = ctx.rules.style.prefer {
        let loaded = |e: &Exercise| matches!(e.helper, Helper::Weight | Helper::Elastic);
        let wanted: Vec<Purpose> = out
            .iter()
            .filter(|e| e.helper == helper)
            .map(|e| e.purpose)
            .collect();
        out.retain(|e| e.helper == helper || !loaded(e) || !wanted.contains(&e.purpose));
    }
    // Whoever stands on a rung of this phase is not sent back to its first.
    if let Some(now) = ask
        .current
        .iter()
        .filter(|l| l.from_day <= ctx.today && l.to_day > ctx.today)
        .find_map(|l| out.iter().position(|e| e.id == l.exercise))
    {
        out.drain(..now);
    }
    out
}

/// One rung after the other between two days, each once the check passes it.
///
/// What goes on from the present program or from an earlier phase keeps its dose, so that its minutes are counted as they are.
pub(super) fn place_ladder(
    ctx: &CheckContext,
    ask: &BuildAsk,
    before: &[Line],
    rungs: &[&Exercise],
    from: EpisodeDay,
    to: EpisodeDay,
) -> Vec<Line> {
    let share = ((to - from) / rungs.len().max(1) as i32).max(WEEK);
    let bound = bounding(ask.irritability, ctx.rules.clock);
    let mut lines: Vec<Line> = Vec::new();
    for (i, exercise) in rungs.iter().enumerate() {
        let wish = from + share * i as i32;
        let kept = before
            .iter()
            .rev()
            .chain(ask.current.iter().rev())
            .find(|l| l.exercise == exercise.id);
        let as_before = kept.and_then(|l| first_passing(ctx, exercise, &|_| l.dose, wish, to));
        let anew = || {
            first_passing(
                ctx,
                exercise,
                &|day| start_dose(ctx.rules, exercise, bound, day),
                wish,
                to,
            )
        };
        let Some((day, dose)) = as_before.or_else(anew) else {
            continue;
        };
        // A rung may open sooner than the one below it, so that more than the last line has to give way: one rung at a time.
        lines.iter_mut().for_each(|l| l.to_day = l.to_day.min(day));
        lines.retain(|l| l.to_day > l.from_day);
        let override_reason = None;
        lines.push(Line {
            id: ask.seed,
            exercise: exercise.id.clone(),
            from_day: day,
            to_day: to,
            dose,
            override_reason,
            by_hand: false,
        });
    }
    lines
}

/// The first day of `[from, to)` on which nothing speaks against the exercise: `from` itself, or a day on which a rule changes.
fn first_passing(
    ctx: &CheckContext,
    exercise: &Exercise,
    dose: &dyn Fn(EpisodeDay) -> Dose,
    from: EpisodeDay,
    to: EpisodeDay,
) -> Option<(EpisodeDay, Dose)> {
    if from >= to {
        return None;
    }
    let passes = |day: EpisodeDay| {
        check_exercise(ctx, exercise, &dose(day), day)
            .findings
            .iter()
            .all(|f| f.status == Status::Allowed)
    };
    // Rules of healing only open with time, so what is closed on the last day is closed on all of them.
    if !passes(to - 1) {
        return None;
    }
    let mut days: Vec<EpisodeDay> = ctx
        .rules
        .turning_days()
        .iter()
        .copied()
        .chain(ctx.limits.iter().filter_map(|l| l.until_day))
        .collect();
    days.retain(|day| *day > from && *day < to);
    days.sort_unstable();
    std::iter::once(from)
        .chain(days)
        .find(|day| passes(*day))
        .map(|day| (day, dose(day)))
}

/// Joins neighbouring lines of the same exercise.
pub(super) fn join_lines(lines: &mut Vec<Line>) {
    lines.sort_by(|a, b| (&a.exercise, a.from_day).cmp(&(&b.exercise, b.from_day)));
    let mut joined: Vec<Line> = Vec::with_capacity(lines.len());
    for line in lines.drain(..) {
        match joined.last_mut() {
            Some(last)
                if last.exercise == line.exercise
                    && last.by_hand == line.by_hand
                    && last.dose == line.dose
                    && line.from_day <= last.to_day
                    && !line.by_hand =>
            {
                last.to_day = last.to_day.max(line.to_day);
            }
            _ => joined.push(line),
        }
    }
    *lines = joined;
}
