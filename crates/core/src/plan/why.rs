//! Why each exercise of a program stands there, told of the program as it is and not only of a proposal.

use super::ask::BuildAsk;
use super::needs::needs;
use crate::context::CheckContext;
use crate::facts::Line;
use crate::reason::Reason;
use crate::rules::PhaseRule;
use serde::{Deserialize, Serialize};

/// Why a line stands in the plan.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineWhy {
    /// Exercise id.
    pub exercise: String,
    /// What it is there for.
    pub reasons: Vec<Reason>,
}

/// A goal of the phase, with its place among them.
pub(super) fn goal(phase: &PhaseRule, ladder: &str) -> Option<Reason> {
    let place = phase.focus.iter().position(|f| f == ladder)?;
    Some(
        Reason::new("why-goal")
            .with("phase", phase.id.as_str())
            .with("place", (place + 1) as f64),
    )
}

/// Why the ladders of these lines are worked on: what they answer in each phase they run in, and what a person decided. One row a
/// ladder, in the order of the lines.
pub fn why(ctx: &CheckContext, ask: &BuildAsk, lines: &[Line]) -> Vec<LineWhy> {
    let mut out: Vec<LineWhy> = Vec::new();
    for line in lines {
        let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
            continue;
        };
        let ladder = exercise.ladder.as_str();
        let at = out.iter().position(|w| w.exercise == ladder);
        let at = at.unwrap_or_else(|| {
            out.push(LineWhy {
                exercise: ladder.to_owned(),
                reasons: Vec::new(),
            });
            out.len() - 1
        });
        let mut say = |reason: Reason| {
            if !out[at].reasons.contains(&reason) {
                out[at].reasons.push(reason);
            }
        };
        if line.by_hand {
            say(Reason::new("why-by-hand"));
        }
        let runs = |from: i32, to: i32| line.from_day < to && line.to_day > from;
        for span in ask.spans.iter().filter(|s| runs(s.from_day, s.to_day)) {
            let Some(phase) = ctx.rules.phase(span.number) else {
                continue;
            };
            for need in needs(ctx, ask, phase, span) {
                if need.ladders.contains(&ladder) {
                    say(need.reason);
                }
            }
            if let Some(reason) = goal(phase, ladder) {
                say(reason);
            }
        }
    }
    out
}
