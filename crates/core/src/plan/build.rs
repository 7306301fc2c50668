//! From a pathway and the facts to a plan: which exercises, from when to when, at what dose.

use super::choose::{Choice, Offer, choose};
use super::dose::{bounding, start_dose, within_irritability};
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::facts::{Facts, Line, Task};
use crate::knowledge::{Exercise, Knowledge, Level};
use crate::reading::{Impairment, Irritability};
use crate::reason::Reason;
use crate::rules::{PhaseRule, PhaseSpan};
use crate::safety::{Status, check_exercise};
use serde::{Deserialize, Serialize};
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

/// Why a line stands in the plan.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineWhy {
    /// Exercise id.
    pub exercise: String,
    /// What it is there for.
    pub reasons: Vec<Reason>,
}

/// What a re-run changes against the present program.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanDifference {
    /// Exercise id.
    pub exercise: String,
    /// `added`, `removed`, `moved`, `kept-by-hand`.
    pub change: String,
    /// First day before and after.
    pub from_day: [Option<EpisodeDay>; 2],
    /// The day after the last, before and after.
    pub to_day: [Option<EpisodeDay>; 2],
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

/// A need of the present: what is missing, how much it weighs, which ladders answer it.
struct Need<'a> {
    measure: &'a str,
    weight: f64,
    reason: Reason,
    ladders: Vec<&'a str>,
}

/// What is impaired now says nothing about a phase that is weeks away; what work asks for counts from the strength phases on;
/// tasks that matter count in every phase, the worse they go the more, and always less than what was measured.
fn needs<'a>(
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
                reason: need.reason.clone(),
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
        if let Some(place) = phase.focus.iter().position(|f| f == ladder) {
            reasons.push(
                Reason::new("why-goal")
                    .with("phase", phase.id.as_str())
                    .with("place", (place + 1) as f64),
            );
        }
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

/// The rungs of a ladder a phase works on: those it opens, or the highest one opened before.
fn open_rungs<'a>(
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
fn place_ladder(
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
    dose: &dyn Fn(EpisodeDay) -> crate::knowledge::Dose,
    from: EpisodeDay,
    to: EpisodeDay,
) -> Option<(EpisodeDay, crate::knowledge::Dose)> {
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
fn join_lines(lines: &mut Vec<Line>) {
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

/// What changes for each exercise from today on.
pub(super) fn difference(
    today: EpisodeDay,
    before: &[Line],
    after: &[Line],
) -> Vec<PlanDifference> {
    let span = |lines: &[Line], id: &str| {
        let own = lines
            .iter()
            .filter(|l| l.exercise == id && l.to_day > today);
        own.fold(None, |all: Option<(i32, i32, bool)>, l| {
            Some(all.map_or((l.from_day, l.to_day, l.by_hand), |(a, b, h)| {
                (a.min(l.from_day), b.max(l.to_day), h || l.by_hand)
            }))
        })
    };
    let names: std::collections::BTreeSet<&str> = before
        .iter()
        .chain(after)
        .map(|l| l.exercise.as_str())
        .collect();
    names
        .into_iter()
        .filter_map(|id| {
            let (old, new) = (span(before, id), span(after, id));
            let change = match (old, new) {
                (None, Some(_)) => "added",
                (Some(_), None) => "removed",
                (Some(_), Some((.., true))) => "kept-by-hand",
                (Some(a), Some(b)) if (a.0.max(today), a.1) != (b.0.max(today), b.1) => "moved",
                _ => return None,
            };
            Some(PlanDifference {
                exercise: id.to_owned(),
                change: change.to_owned(),
                from_day: [old.map(|o| o.0), new.map(|n| n.0)],
                to_day: [old.map(|o| o.1), new.map(|n| n.1)],
            })
        })
        .collect()
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
