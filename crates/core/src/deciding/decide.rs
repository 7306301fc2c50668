//! The order in which a decision is sought: stop, step back, a flare day, hold, more of it, the next rung.

use super::case::Case;
use super::decision::{LineDecision, Move};
use super::diary::Diary;
use crate::context::CheckContext;
use crate::facts::{Facts, Line};
use crate::progress::{WatchView, watch_views};
use crate::reason::Reason;
use crate::safety::{running_lines, scheduled_lines};

/// Decides every line that runs today.
pub fn decide(ctx: &CheckContext, facts: &Facts) -> Vec<LineDecision> {
    let day = facts.day();
    let runs = running_lines(ctx, facts, day);
    // A red flag blocks every line, so none would run: what is scheduled is told to stop.
    let lines = if ctx.open_flags.is_empty() {
        runs
    } else {
        scheduled_lines(ctx, facts, day)
    };
    let watches = watch_views(ctx, facts);
    let mut out: Vec<LineDecision> = lines
        .into_iter()
        .filter_map(|l| decide_watched(ctx, facts, l, &watches))
        .collect();
    out.sort_by(|a, b| a.kind.cmp(&b.kind).then(a.exercise.cmp(&b.exercise)));
    out
}

/// Decides one line; `None` when its exercise is not known.
///
/// The order is fixed: stop, step back, a flare day, hold, more of it, next rung. What is unknown never counts as good.
pub fn decide_line(ctx: &CheckContext, facts: &Facts, line: &Line) -> Option<LineDecision> {
    decide_watched(ctx, facts, line, &watch_views(ctx, facts))
}

fn decide_watched(
    ctx: &CheckContext,
    facts: &Facts,
    line: &Line,
    watches: &[WatchView],
) -> Option<LineDecision> {
    let exercise = ctx.known.exercises.get(&line.exercise)?;
    let diary = Diary::of(ctx.log, facts, &line.exercise);
    let watches = watches
        .iter()
        .filter(|w| w.speaks && w.concerns(&exercise.ladder))
        .collect();
    let case = Case {
        ctx,
        facts,
        line,
        exercise,
        diary,
        watches,
        day: facts.day(),
    };
    let mut inputs = case.inputs();
    let mut alternatives = Vec::new();
    let say = case
        .stop()
        .or_else(|| case.after_gap())
        .or_else(|| case.step_back())
        .or_else(|| case.flare())
        .or_else(|| case.hold())
        .unwrap_or_else(|| case.forward(&mut alternatives));
    let held = say.kind > Move::Ease && !matches!(say.kind, Move::ProgressDose | Move::NextRung);
    if held && !overdone(&say.rule) {
        alternatives.extend(case.could_go_on(&say.rule));
    }
    inputs.dedup();
    Some(LineDecision {
        line: line.id,
        exercise: line.exercise.clone(),
        kind: say.kind,
        patient: case.sentence(say.kind, &say.change),
        rule: say.rule.with("exercise", line.exercise.as_str()),
        inputs,
        alternatives,
        today: (say.kind == Move::Ease).then(|| case.eased()),
        change: say.change,
    })
}

/// Whether the rule says that too much was done.
fn overdone(rule: &Reason) -> bool {
    rule.rule.starts_with("hold-overdone")
}

impl LineDecision {
    /// Whether more of anything would be the wrong answer: to a stop, to a step back, and to too much.
    pub fn forbids_more(&self) -> bool {
        matches!(self.kind, Move::Stop | Move::StepBack) || overdone(&self.rule)
    }
}
