//! What the builder proposes for a shoulder as it stands.

use super::ask::BuildAsk;
use super::build::{Proposal, build};
use super::expected::expected;
use super::why::{LineWhy, why};
use crate::assessment::Assessment;
use crate::facts::Line;
use crate::reading::{Irritability, impairments, irritability};
use crate::rules::PhaseSpan;

impl Assessment<'_> {
    /// What the builder proposes from today on.
    pub fn propose(&self, seed: uuid::Uuid) -> Proposal {
        self.propose_over(&expected(&self.ctx(), self.facts), seed)
    }

    /// What the builder proposes for somebody who does little: few exercises in few minutes, whatever runs now.
    pub fn propose_short(&self, seed: uuid::Uuid) -> Proposal {
        let few = |id: &str| self.known.threshold(id);
        // Nothing keeps its place only because it was there: what matters most is chosen anew.
        let mut current = self.facts.lines.clone();
        current.iter_mut().for_each(|line| line.by_hand = false);
        let minutes = few("short-plan-minutes").min(
            self.facts
                .minutes_left(self.known.pace())
                .unwrap_or(f64::MAX),
        );
        let few = (minutes.floor() as u32, few("short-plan-exercises") as usize);
        let spans = expected(&self.ctx(), self.facts);
        self.propose_with(&spans, seed, &current, Some(few))
    }

    /// What the builder proposes over given phases.
    pub fn propose_over(&self, spans: &[PhaseSpan], seed: uuid::Uuid) -> Proposal {
        self.propose_with(spans, seed, &self.facts.lines, None)
    }

    /// Why each exercise of the program stands there, as it is now.
    pub fn why(&self) -> Vec<LineWhy> {
        let ctx = self.ctx();
        let spans = expected(&ctx, self.facts);
        let impaired = impairments(&ctx, self.facts);
        let ask = BuildAsk::of(
            self.known,
            self.facts,
            &spans,
            &impaired,
            irritability(&ctx, self.facts).level,
            uuid::Uuid::nil(),
        );
        why(&ctx, &ask, &self.facts.lines)
    }

    fn propose_with(
        &self,
        spans: &[PhaseSpan],
        seed: uuid::Uuid,
        current: &[Line],
        few: Option<(u32, usize)>,
    ) -> Proposal {
        let ctx = self.ctx();
        let impaired = impairments(&ctx, self.facts);
        let mut irritable = irritability(&ctx, self.facts);
        let low = (ctx.known.health.iter())
            .any(|h| h.starts_low && self.facts.story.health.contains(&h.id));
        if low {
            irritable.level = irritable.level.max(Irritability::Moderate);
        }
        // Nothing answered says nothing about a shoulder whose clock rules anyway.
        let mut ask = BuildAsk::of(
            self.known,
            self.facts,
            spans,
            &impaired,
            irritable.level,
            seed,
        );
        ask.current = current;
        if let Some((minutes, lines)) = few {
            ask.minutes_per_day = Some(minutes);
            ask.max_lines = Some(lines);
        }
        build(&ctx, &ask)
    }
}
