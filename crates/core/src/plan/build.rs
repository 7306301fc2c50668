//! From a pathway and the facts to a plan: which exercises, from when to when, at what dose.

use super::ask::BuildAsk;
use super::choose::{Choice, Offer, choose};
use super::difference::{PlanDifference, difference};
use super::needs::{Need, needs};
use super::place::{join_lines, open_rungs, place_ladder};
use super::why::{LineWhy, goal};
use crate::calendar::WEEK;
use crate::context::CheckContext;
use crate::facts::Line;
use crate::reason::Reason;
use crate::rules::{PhaseRule, PhaseSpan};
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
    /// Why each exercise stands there.
    pub why: Vec<LineWhy>,
    /// What it changes against the present program.
    pub difference: Vec<PlanDifference>,
    /// How far the choice may lie below the best, as a share; 0 when proved best.
    pub gap: f64,
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
/// For each phase an integer program chooses the ladders (see [`super::choose::choose`]): in the phase that runs today measured
/// impairments beyond their error count most, the largest first; then the goals of the phase in their order; then what runs
/// already. A ladder contributes one rung at a time, its rungs sharing the phase, each from the first day on which the safety
/// check passes it without a word. Only so many new exercises start in one week. Lines made by hand stay as they are.
/// Source of the bounds: common practice, no published source; the order of the goals is the pathway's.
pub fn build(ctx: &CheckContext, ask: &BuildAsk) -> Proposal {
    let ctx = &CheckContext {
        planning: true,
        ..*ctx
    };
    let mut plan = Proposal {
        lines: Vec::new(),
        later: Vec::new(),
        first: Vec::new(),
        why: Vec::new(),
        difference: Vec::new(),
        gap: 0.0,
    };
    plan.lines.extend(
        ask.current
            .iter()
            .filter(|l| l.by_hand && l.to_day > ctx.today)
            .cloned(),
    );
    for span in ask
        .spans
        .iter()
        .filter(|span| span.to_day > ctx.today && span.number >= ctx.phase)
    {
        if let Some(phase) = ctx.rules.phase(span.number) {
            build_phase(ctx, ask, phase, span, &mut plan);
        }
    }
    join_lines(&mut plan.lines);
    plan.lines
        .sort_by(|a, b| (a.from_day, &a.exercise).cmp(&(b.from_day, &b.exercise)));
    for (i, line) in plan
        .lines
        .iter_mut()
        .enumerate()
        .filter(|(_, l)| !l.by_hand)
    {
        line.id = derived_id(ask.seed, i, &line.exercise);
    }
    plan.difference = difference(ctx.today, ask.current, &plan.lines);
    plan
}

fn build_phase(
    ctx: &CheckContext,
    ask: &BuildAsk,
    phase: &PhaseRule,
    span: &PhaseSpan,
    plan: &mut Proposal,
) {
    let start = span.from_day.max(ctx.today);
    let style = &ctx.rules.style;
    let needs = needs(ctx, ask, phase, span);
    let focus: Vec<&str> = {
        let mut order: Vec<&str> = style
            .lead
            .iter()
            .map(String::as_str)
            .filter(|l| phase.focus.iter().any(|f| f == l))
            .collect();
        order.extend(
            phase
                .focus
                .iter()
                .map(String::as_str)
                .filter(|l| !style.lead.iter().any(|x| x == l)),
        );
        let answering: Vec<&str> = needs
            .iter()
            .flat_map(|n| n.ladders.iter().copied())
            .collect();
        order.extend(
            answering
                .into_iter()
                .filter(|l| !phase.focus.iter().any(|f| f == l)),
        );
        let mut seen = std::collections::BTreeSet::new();
        order.retain(|l| seen.insert(*l));
        order
    };
    let (goal, keep, minute) = (
        ctx.known.threshold("build-weight-goal"),
        ctx.known.threshold("build-weight-keep"),
        ctx.known.threshold("build-weight-minute"),
    );
    let pace = ctx.known.pace();
    let mut placed: Vec<Vec<Line>> = Vec::new();
    let mut offer = Offer {
        needs: needs.iter().map(|n| n.weight).collect(),
        max_lines: style
            .max_lines
            .unwrap_or(phase.max_lines)
            .min(phase.max_lines)
            .min(ask.max_lines.unwrap_or(usize::MAX)),
        max_minutes: phase.max_minutes,
        max_day_minutes: ask.minutes_per_day.map(f64::from),
        choices: Vec::new(),
    };
    // What was made by hand takes its room first.
    let by_hand: Vec<&Line> = plan
        .lines
        .iter()
        .filter(|l| l.by_hand && l.to_day > start && l.from_day < span.to_day)
        .collect();
    let taken: Vec<&str> = by_hand
        .iter()
        .filter_map(|l| ctx.known.exercises.get(&l.exercise))
        .map(|e| e.ladder.as_str())
        .collect();
    offer.max_lines = offer.max_lines.saturating_sub(by_hand.len());
    offer.max_minutes =
        (offer.max_minutes - by_hand.iter().map(|l| l.dose.minutes(pace)).sum::<f64>()).max(0.0);
    offer.max_day_minutes = offer.max_day_minutes.map(|m| {
        (m - by_hand
            .iter()
            .map(|l| l.dose.day_minutes(pace))
            .sum::<f64>())
        .max(0.0)
    });
    let mut later: Vec<(usize, Reason)> = Vec::new();
    for (place, ladder) in focus.iter().enumerate() {
        // An exercise that a school leaves out does not pass the check; of a whole ladder nothing is asked.
        if taken.contains(ladder) || style.leave_out.contains_key(*ladder) {
            continue;
        }
        let rungs = open_rungs(ctx, ask, phase, ladder, &plan.lines);
        if rungs.is_empty() {
            later.push((place, Reason::new("later-no-rung")));
            continue;
        }
        let lines = place_ladder(ctx, ask, &plan.lines, &rungs, start, span.to_day);
        let Some(minutes) = lines.iter().map(|l| l.dose.minutes(pace)).reduce(f64::max) else {
            later.push((place, Reason::new("later-nothing-passes")));
            continue;
        };
        let runs = lines.iter().any(|l| {
            plan.lines
                .iter()
                .chain(ask.current)
                .any(|old| old.exercise == l.exercise && old.to_day >= start)
        });
        let in_focus = phase.focus.iter().any(|f| f == ladder);
        let value = if in_focus {
            goal * (focus.len() - place) as f64
        } else {
            0.0
        } + if runs { keep } else { 0.0 }
            - minute * minutes;
        offer.choices.push(Choice {
            ladder: place,
            minutes,
            day_minutes: lines
                .iter()
                .map(|l| l.dose.day_minutes(pace))
                .fold(0.0, f64::max),
            value,
            needs: needs
                .iter()
                .enumerate()
                .filter(|(_, n)| n.ladders.contains(ladder))
                .map(|(i, _)| i)
                .collect(),
        });
        placed.push(lines);
    }
    let chosen = choose(&offer);
    plan.gap = plan.gap.max(chosen.gap);
    explain(&focus, &offer, &chosen.taken, &needs, phase, plan);
    later.extend(refused(&offer, &chosen.taken, &focus));
    later.sort_by_key(|(place, _)| *place);
    plan.later
        .extend(later.into_iter().map(|(place, reason)| LaterItem {
            ladder: focus[place].to_owned(),
            phase: phase.id.clone(),
            reason,
        }));
    let per_week = ctx
        .known
        .threshold(if ask.current.is_empty() && span.from_day <= ctx.today {
            "first-visit-new-exercises"
        } else {
            "later-visit-new-exercises"
        });
    let mut fresh = 0usize;
    for i in chosen.taken {
        let mut lines = placed[i].clone();
        let goes_on = lines.iter().any(|l| {
            plan.lines
                .iter()
                .chain(ask.current)
                .any(|old| old.exercise == l.exercise && old.to_day >= start)
        });
        if !goes_on && lines.first().is_some_and(|l| l.from_day == start) {
            let wait = WEEK * (fresh / (per_week as usize).max(1)) as i32;
            fresh += 1;
            // The whole ladder waits: nobody begins on its second rung because the first week was full.
            for line in &mut lines {
                line.from_day += wait;
                line.to_day = (line.to_day + wait).min(span.to_day);
            }
            lines.retain(|l| l.to_day > l.from_day);
        }
        plan.lines.extend(lines);
    }
}

/// Why the chosen ones are there.
fn explain(
    focus: &[&str],
    offer: &Offer,
    taken: &[usize],
    needs: &[Need],
    phase: &PhaseRule,
    plan: &mut Proposal,
) {
    for i in taken {
        let choice = &offer.choices[*i];
        let ladder = focus[choice.ladder];
        for need in choice.needs.iter().map(|n| &needs[*n]) {
            if !plan
                .first
                .iter()
                .any(|m| m.ladder == ladder && m.measure == need.measure)
            {
                plan.first.push(MovedUp {
                    ladder: ladder.to_owned(),
                    measure: need.measure.to_owned(),
                    reason: need.reason.clone(),
                });
            }
        }
        let mut reasons: Vec<Reason> = choice
            .needs
            .iter()
            .map(|n| needs[*n].reason.clone())
            .collect();
        reasons.extend(goal(phase, ladder));
        plan.why.push(LineWhy {
            exercise: ladder.to_owned(),
            reasons,
        });
    }
}

/// Why the others are not, and what stands there instead.
fn refused(offer: &Offer, taken: &[usize], focus: &[&str]) -> Vec<(usize, Reason)> {
    let sum = |of: fn(&Choice) -> f64| taken.iter().map(|i| of(&offer.choices[*i])).sum::<f64>();
    let last = taken
        .iter()
        .min_by(|a, b| {
            offer.choices[**a]
                .value
                .total_cmp(&offer.choices[**b].value)
        })
        .map(|i| focus[offer.choices[*i].ladder]);
    let mut out = Vec::new();
    for (i, choice) in offer
        .choices
        .iter()
        .enumerate()
        .filter(|(i, _)| !taken.contains(i))
    {
        let _ = i;
        let reason = if taken.len() >= offer.max_lines {
            Reason::new("later-count").with("count", offer.max_lines as f64)
        } else if sum(|c| c.minutes) + choice.minutes > offer.max_minutes {
            Reason::new("later-minutes").with("minutes", offer.max_minutes)
        } else if let Some(most) = offer
            .max_day_minutes
            .filter(|m| sum(|c| c.day_minutes) + choice.day_minutes > *m)
        {
            Reason::new("later-day-minutes").with("minutes", most)
        } else {
            Reason::new("later-not-worth")
        };
        out.push((
            choice.ladder,
            match last {
                Some(instead) => reason.with("instead", instead),
                None => reason,
            },
        ));
    }
    out
}

/// An id that depends only on the seed, the place and the exercise, so that a re-run gives the same lines.
fn derived_id(seed: Uuid, place: usize, exercise: &str) -> Uuid {
    use sha2::{Digest, Sha256};
    let digest = Sha256::new()
        .chain_update(seed.as_bytes())
        .chain_update(place.to_be_bytes())
        .chain_update(exercise.as_bytes())
        .finalize();
    let mut bytes = [0u8; 16];
    bytes.copy_from_slice(&digest[..16]);
    uuid::Builder::from_custom_bytes(bytes).into_uuid()
}
