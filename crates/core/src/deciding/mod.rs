//! Deciding progress: stop, step back, hold, more of it, or the next rung; each with its rule, its inputs and their dates,
//! the alternatives that were not taken, and the sentence for the patient. The clinician accepts, changes or overrides.
//!
//! Source of the thresholds: common practice, no published source; the pain rules after Thomeé 1997 and Silbernagel 2007 as
//! used by Holmgren 2012, from memory. All of them are rows in `thresholds.toml`.

mod change;
mod decision;
mod diary;
mod onward;
mod trouble;

pub use change::{apply, asks_more};
pub use decision::{Alternative, Change, LineDecision, Move};

use crate::calendar::EpisodeDay;
use crate::episode::{Facts, Line, OtherSide};
use crate::knowledge::{Dose, Exercise};
use crate::program::{CheckContext, running_lines, scheduled_lines};
use crate::progress::adherence_pct;
use crate::reason::Reason;
use crate::watching::{WatchView, watch_views};
use diary::Diary;

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

struct Say {
    kind: Move,
    rule: Reason,
    change: Change,
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
    let diary = Diary::of(facts, &line.exercise);
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

struct Case<'a> {
    ctx: &'a CheckContext<'a>,
    facts: &'a Facts,
    line: &'a Line,
    exercise: &'a Exercise,
    diary: Diary<'a>,
    watches: Vec<&'a WatchView>,
    day: EpisodeDay,
}

impl Case<'_> {
    /// Pain above this is outside the mode on `day` for this exercise.
    fn pain_max(&self, day: EpisodeDay) -> f64 {
        let exercise = Some(self.exercise);
        self.ctx.rules.pain_max(self.ctx.known, exercise, day)
    }

    fn threshold(&self, id: &str) -> f64 {
        self.ctx.known.threshold(id)
    }

    /// Repetitions from which an elastic may, and from which it must, go up a level.
    fn elastic_repetitions(&self) -> [u32; 2] {
        ["elastic-may-repetitions", "elastic-must-repetitions"].map(|id| self.threshold(id) as u32)
    }

    fn dose(&self) -> &Dose {
        &self.line.dose
    }

    fn loose(&self) -> bool {
        self.ctx.rules.loose || self.facts.story.other_side == OtherSide::Hypermobile
    }

    /// Sessions needed in a row: two, three after an operation.
    fn needed(&self) -> usize {
        self.threshold(if self.ctx.rules.protects() {
            "top-sessions-operated"
        } else {
            "top-sessions"
        }) as usize
    }

    fn inputs(&self) -> Vec<Reason> {
        let mut out: Vec<Reason> = self
            .diary
            .counted()
            .take(self.needed())
            .map(|d| {
                let r = Reason::new("input-session")
                    .with("day", d.day)
                    .with("sessions", f64::from(d.sessions))
                    .with("repetitions", f64::from(d.repetitions));
                let known = |r: Reason, name: &str, v: Option<f64>| {
                    r.with(
                        name,
                        v.map_or_else(
                            || crate::reason::Arg::Text("?".into()),
                            crate::reason::Arg::Number,
                        ),
                    )
                };
                known(known(r, "pain", d.pain_during), "morning", d.next_morning)
            })
            .collect();
        if let Some(pct) = adherence_pct(self.ctx, self.facts, 14) {
            out.push(Reason::new("input-adherence").with("percent", pct.round()));
        }
        if let Some(base) = self
            .diary
            .baseline(self.day, self.threshold("pain-baseline-days") as i32)
        {
            out.push(Reason::new("input-baseline").with("pain", base));
        }
        out
    }

    fn sentence(&self, kind: Move, change: &Change) -> Reason {
        let key = match kind {
            Move::Stop => "say-stop",
            Move::StepBack => "say-step-back",
            Move::Ease => "say-ease",
            Move::HoldSore => "say-sore",
            Move::HoldStiff => "say-stiff",
            Move::HoldUnknown => "say-unknown",
            Move::HoldTooEarly => "say-stay",
            Move::ProgressDose => "say-more",
            Move::NextRung => "say-next",
        };
        let reason = Reason::new(key).with("exercise", self.line.exercise.as_str());
        match change {
            Change::Exercise { exercise, .. } => reason.with("next", exercise.as_str()),
            _ => reason.with("next", self.line.exercise.as_str()),
        }
    }
}
