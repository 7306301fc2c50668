//! From a pathway and the facts to a plan: which exercises, from when to when, at what dose.

use super::safety::{CheckContext, Status, check_exercise};
use super::schedule::PhaseSpan;
use crate::calendar::{PostOpDay, WEEK};
use crate::episode::Line;
use crate::knowledge::{Exercise, Phase};
use crate::reading::Impairment;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A ladder that found no place, and why.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LaterItem {
    /// Ladder id.
    pub ladder: String,
    /// Phase id.
    pub phase: String,
    /// Why not now.
    pub reason: Reason,
}

/// What the builder proposes. Deterministic: the same input gives the same plan, ids included.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Proposal {
    /// The lines, in order of their first day.
    pub lines: Vec<Line>,
    /// What stays uncovered.
    pub later: Vec<LaterItem>,
    /// What the examination moved to the front of the current phase.
    pub first: Vec<MovedUp>,
}

/// A ladder that is worked on first because of what was measured.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MovedUp {
    /// Ladder id.
    pub ladder: String,
    /// The impairment it answers.
    pub measure: String,
    /// How large that is.
    pub reason: Reason,
}

/// Builds a plan from today on.
///
/// For each phase, ladders are taken in the order of the phase's goals; in the phase that runs today those that answer a
/// measured impairment beyond its error come first, the largest first. Each ladder contributes one rung
/// at a time, its rungs sharing the phase, each from the first day on which the safety check passes it.
/// The phase's count and minutes bound what fits, and only so many new exercises start on one day.
/// Source of the bounds: common practice, no published source; the order of the goals is the pathway's.
pub fn build(ctx: &CheckContext, spans: &[PhaseSpan], impaired: &[Impairment], seed: Uuid) -> Proposal {
    let ctx = &CheckContext { planning: true, ..*ctx };
    let mut plan = Proposal { lines: Vec::new(), later: Vec::new(), first: Vec::new() };
    for span in spans.iter().filter(|span| span.to_day > ctx.today && span.number >= ctx.phase) {
        if let Some(phase) = ctx.pathway.phase(span.number) {
            // What is impaired now says nothing about a phase that is weeks away.
            let needs = if span.from_day <= ctx.today { impaired } else { &[] };
            let focus = by_need(ctx, phase, needs, &mut plan.first);
            build_phase(ctx, phase, &focus, span, &mut plan, seed);
        }
    }
    join_lines(&mut plan.lines);
    plan.lines.sort_by(|a, b| (a.from_day, &a.exercise).cmp(&(b.from_day, &b.exercise)));
    for (i, line) in plan.lines.iter_mut().enumerate() {
        line.id = derived_id(seed, i, &line.exercise);
    }
    plan
}

/// The ladders of a phase, those that answer an impairment first, the others in the order of the phase's goals.
fn by_need(ctx: &CheckContext, phase: &Phase, impaired: &[Impairment], first: &mut Vec<MovedUp>) -> Vec<String> {
    let answers = |ladder: &str, measure: &str| {
        ctx.known.exercises.values().any(|e| e.ladder == ladder && e.adapts.as_ref().is_some_and(|a| a.quantity == measure))
    };
    let mut focus: Vec<String> = Vec::with_capacity(phase.focus.len());
    for need in impaired.iter().filter(|i| i.real) {
        for ladder in phase.focus.iter().filter(|l| answers(l, &need.measure)) {
            if !focus.contains(ladder) {
                focus.push(ladder.clone());
                first.push(MovedUp { ladder: ladder.clone(), measure: need.measure.clone(), reason: need.reason.clone() });
            }
        }
    }
    focus.extend(phase.focus.iter().filter(|l| !focus.contains(l)).cloned().collect::<Vec<_>>());
    focus
}

fn build_phase(ctx: &CheckContext, phase: &Phase, focus: &[String], span: &PhaseSpan, plan: &mut Proposal, seed: Uuid) {
    let start = span.from_day.max(ctx.today);
    let first_visit = plan.lines.is_empty();
    let per_day = ctx.known.threshold(if first_visit { "first-visit-new-exercises" } else { "later-visit-new-exercises" }) as usize;
    let (mut minutes, mut count, mut new_today) = (0.0, 0usize, 0usize);
    for ladder in focus {
        let later = |reason: Reason| LaterItem { ladder: ladder.clone(), phase: phase.id.clone(), reason };
        let rungs = open_rungs(ctx, phase, ladder);
        let Some(longest) = rungs.iter().map(|e| e.dose.minutes()).reduce(f64::max) else {
            plan.later.push(later(Reason::new("later-no-rung")));
            continue;
        };
        if count >= phase.max_lines {
            plan.later.push(later(Reason::new("later-count").with("count", phase.max_lines as f64)));
            continue;
        }
        if minutes + longest > phase.max_minutes {
            plan.later.push(later(Reason::new("later-minutes").with("minutes", phase.max_minutes)));
            continue;
        }
        let goes_on = plan.lines.iter().any(|l| l.to_day >= start && rungs.iter().any(|e| e.id == l.exercise));
        let from = if goes_on || new_today < per_day { start } else { start + WEEK };
        let placed = place_ladder(ctx, &rungs, from, span.to_day, seed);
        if placed.is_empty() {
            plan.later.push(later(Reason::new("later-nothing-passes")));
            continue;
        }
        if !goes_on && from == start {
            new_today += 1;
        }
        minutes += longest;
        count += 1;
        plan.lines.extend(placed);
    }
}

/// The rungs of a ladder a phase works on: those it opens, or the highest one opened before.
fn open_rungs<'a>(ctx: &CheckContext<'a>, phase: &Phase, ladder: &str) -> Vec<&'a Exercise> {
    let mut all: Vec<(&Exercise, u32)> = ctx
        .known
        .exercises
        .values()
        .filter(|e| e.ladder == ladder)
        .filter_map(|e| ctx.pathway.opening_phase(&e.id).map(|p| (e, p.number)))
        .filter(|(_, opens)| *opens <= phase.number)
        .collect();
    all.sort_by_key(|(e, _)| e.rung);
    let own: Vec<&Exercise> = all.iter().filter(|(_, opens)| *opens == phase.number).map(|(e, _)| *e).collect();
    if own.is_empty() { all.last().map(|(e, _)| *e).into_iter().collect() } else { own }
}

/// One rung after the other between two days, each once the check passes it.
fn place_ladder(ctx: &CheckContext, rungs: &[&Exercise], from: PostOpDay, to: PostOpDay, seed: Uuid) -> Vec<Line> {
    let share = ((to - from) / rungs.len().max(1) as i32).max(WEEK);
    let mut lines: Vec<Line> = Vec::new();
    for (i, exercise) in rungs.iter().enumerate() {
        let wish = from + share * i as i32;
        let Some(day) = first_passing(ctx, exercise, wish, to) else { continue };
        if let Some(last) = lines.last_mut() {
            last.to_day = day;
        }
        lines.retain(|l| l.to_day > l.from_day);
        lines.push(Line { id: seed, exercise: exercise.id.clone(), from_day: day, to_day: to, dose: exercise.dose, override_reason: None });
    }
    lines
}

/// The first day of `[from, to)` from which nothing blocks the exercise through its end, looking at `from` and at each later week.
fn first_passing(ctx: &CheckContext, exercise: &Exercise, from: PostOpDay, to: PostOpDay) -> Option<PostOpDay> {
    let weekly = (from / WEEK + 1..).map(|week| week * WEEK).take_while(|day| *day < to);
    std::iter::once(from)
        .chain(weekly)
        .filter(|day| *day < to)
        .find(|day| check_exercise(ctx, exercise, &exercise.dose, *day).findings.iter().all(|f| f.status == Status::Allowed))
}

/// Joins neighbouring lines of the same exercise.
fn join_lines(lines: &mut Vec<Line>) {
    lines.sort_by(|a, b| (&a.exercise, a.from_day).cmp(&(&b.exercise, b.from_day)));
    let mut joined: Vec<Line> = Vec::with_capacity(lines.len());
    for line in lines.drain(..) {
        match joined.last_mut() {
            Some(last) if last.exercise == line.exercise && line.from_day <= last.to_day => last.to_day = last.to_day.max(line.to_day),
            _ => joined.push(line),
        }
    }
    *lines = joined;
}

/// An id that depends only on the seed, the place and the exercise, so that a re-run gives the same lines.
fn derived_id(seed: Uuid, place: usize, exercise: &str) -> Uuid {
    use sha2::{Digest, Sha256};
    let digest = Sha256::new().chain_update(seed.as_bytes()).chain_update(place.to_be_bytes()).chain_update(exercise.as_bytes()).finalize();
    let mut bytes = [0u8; 16];
    bytes.copy_from_slice(&digest[..16]);
    uuid::Builder::from_custom_bytes(bytes).into_uuid()
}
