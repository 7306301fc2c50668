//! One line with everything a decision about it looks at.

use super::decision::{Change, Move};
use super::diary::Diary;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, Line, OtherSide};
use crate::knowledge::{Dose, Exercise};
use crate::progress::WatchView;
use crate::reason::Reason;

pub(super) struct Say {
    pub(super) kind: Move,
    pub(super) rule: Reason,
    pub(super) change: Change,
}

pub(super) struct Case<'a> {
    pub(super) ctx: &'a CheckContext<'a>,
    pub(super) facts: &'a Facts,
    pub(super) line: &'a Line,
    pub(super) exercise: &'a Exercise,
    pub(super) diary: Diary<'a>,
    pub(super) watches: Vec<&'a WatchView>,
    /// Planned sessions done lately, in percent; `None` where nothing is known.
    pub(super) done_pct: Option<f64>,
    pub(super) day: EpisodeDay,
}

impl Case<'_> {
    /// Pain above this is outside the mode on `day` for this exercise.
    pub(super) fn pain_max(&self, day: EpisodeDay) -> f64 {
        let exercise = Some(self.exercise);
        self.ctx.rules.pain_max(self.ctx.known, exercise, day)
    }

    pub(super) fn threshold(&self, id: &str) -> f64 {
        self.ctx.known.threshold(id)
    }

    pub(super) fn dose(&self) -> &Dose {
        &self.line.dose
    }

    pub(super) fn loose(&self) -> bool {
        self.ctx.rules.loose || self.facts.story.other_side == OtherSide::Hypermobile
    }

    /// Sessions needed in a row: two, three after an operation.
    pub(super) fn needed(&self) -> usize {
        self.threshold(if self.ctx.rules.protects() {
            "top-sessions-operated"
        } else {
            "top-sessions"
        }) as usize
    }

    pub(super) fn inputs(&self) -> Vec<Reason> {
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
        if let Some(pct) = self.done_pct {
            out.push(
                Reason::new("input-adherence-lately")
                    .with("percent", pct.round())
                    .with("days", self.threshold("adherence-days")),
            );
        }
        if let Some(base) = self
            .diary
            .baseline(self.day, self.threshold("pain-baseline-days") as i32)
        {
            out.push(Reason::new("input-baseline").with("pain", base));
        }
        out
    }

    pub(super) fn sentence(&self, kind: Move, change: &Change) -> Reason {
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
