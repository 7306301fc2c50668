//! What a phase should answer: what is impaired now, what work asks for, what matters to the patient.

use super::ask::BuildAsk;
use crate::context::CheckContext;
use crate::reason::Reason;
use crate::rules::{PhaseRule, PhaseSpan};

/// A need of the present: what is missing, how much it weighs, which ladders answer it.
pub(super) struct Need<'a> {
    pub(super) measure: &'a str,
    pub(super) weight: f64,
    pub(super) reason: Reason,
    pub(super) ladders: Vec<&'a str>,
}

/// What is impaired now says nothing about a phase that is weeks away; what work asks for counts from the strength phases on;
/// tasks that matter count in every phase, the worse they go the more, and always less than what was measured.
pub(super) fn needs<'a>(
    ctx: &CheckContext<'a>,
    ask: &'a BuildAsk,
    phase: &PhaseRule,
    span: &PhaseSpan,
) -> Vec<Need<'a>> {
    let answers = |measure: &str| -> Vec<&'a str> {
        let row = ctx.known.needs.iter().find(|n| n.id == measure);
        let mut ladders: Vec<&'a str> = row
            .map(|n| n.ladders.iter().map(String::as_str).collect())
            .unwrap_or_default();
        for e in ctx
            .known
            .exercises
            .values()
            .filter(|e| e.adapts.as_ref().is_some_and(|a| a.quantity == measure))
        {
            if !ladders.contains(&e.ladder.as_str()) {
                ladders.push(&e.ladder);
            }
        }
        ladders
    };
    let most = ctx.known.threshold("build-weight-need");
    let mut out = Vec::new();
    if span.from_day <= ctx.today {
        for (place, need) in ask.impaired.iter().filter(|i| i.real).enumerate() {
            // The larger deficit first; even the smallest outweighs the goals it could push out.
            let weight = most / (1.0 + place.min(8) as f64);
            out.push(Need {
                measure: &need.measure,
                weight,
                // What is short is named: the same reason stands beside exercises of several ladders.
                reason: need.reason.clone().with("measure", need.measure.as_str()),
                ladders: answers(&need.measure),
            });
        }
    }
    for task in ask.goals {
        if let Some(id) = task.asks.as_deref().filter(|_| task.score < 10) {
            let weight = most / 16.0 * f64::from(10 - task.score) / 10.0;
            let reason = Reason::new("need-goal")
                .with("need", id)
                .with("task", task.label.as_str())
                .with("score", f64::from(task.score));
            out.push(Need {
                measure: id,
                weight,
                reason,
                ladders: answers(id),
            });
        }
    }
    if phase.number > 2 {
        for id in &ask.job {
            out.push(Need {
                measure: id,
                weight: most / 16.0,
                reason: Reason::new("need-job").with("need", *id),
                ladders: answers(id),
            });
        }
    }
    out
}
