//! What a plan is built for: the person, the phases, what is impaired and what matters.

use crate::facts::{Facts, Line, Task};
use crate::knowledge::Knowledge;
use crate::reading::{Impairment, Irritability};
use crate::rules::PhaseSpan;
use uuid::Uuid;

/// What a plan is built for, besides what the safety check looks at.
#[derive(Debug, Clone)]
pub struct BuildAsk<'a> {
    /// The phases over days.
    pub spans: &'a [PhaseSpan],
    /// What is impaired, ranked.
    pub impaired: &'a [Impairment],
    /// How easily the shoulder is stirred up.
    pub irritability: Irritability,
    /// Minutes a day that the patient has.
    pub minutes_per_day: Option<u32>,
    /// Exercises at most, where fewer than the phase gives are wanted.
    pub max_lines: Option<usize>,
    /// Needs of work beyond the findings, by need id.
    pub job: Vec<&'static str>,
    /// Tasks that matter to the patient.
    pub goals: &'a [Task],
    /// The lines of the present program: what runs is kept where nothing is lost by it, what was made by hand always.
    pub current: &'a [Line],
    /// Makes the ids of the lines.
    pub seed: Uuid,
}

impl<'a> BuildAsk<'a> {
    /// From the facts on record.
    pub fn of(
        known: &Knowledge,
        facts: &'a Facts,
        spans: &'a [PhaseSpan],
        impaired: &'a [Impairment],
        irritability: Irritability,
        seed: Uuid,
    ) -> Self {
        let mut job = Vec::new();
        if facts
            .story
            .job_overhead_h
            .is_some_and(|h| h >= known.threshold("job-overhead-h"))
        {
            job.push("job-overhead");
        }
        if facts
            .story
            .job_load_kg
            .is_some_and(|kg| kg >= known.threshold("job-load-kg"))
        {
            job.push("job-load");
        }
        BuildAsk {
            spans,
            impaired,
            irritability,
            minutes_per_day: facts.minutes_left(known.pace()).map(|m| m.floor() as u32),
            max_lines: None,
            job,
            goals: &facts.story.tasks,
            current: &facts.lines,
            seed,
        }
    }
}
