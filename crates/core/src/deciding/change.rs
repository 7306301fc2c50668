//! What a decision does to a line: the next dose, the next rung, the rung below.

use super::decision::Change;
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Line;
use crate::knowledge::{Dose, Exercise, Knowledge, Level};
use crate::plan::start_dose;
use crate::reading::Irritability;
use crate::safety::{Finding, Status, check_exercise};
use uuid::Uuid;

/// Whether a dose stands at the top of its range in what progresses first: all its sets at the longest time where the work is
/// timed, else at the most repetitions, with an elastic at `elastic-may-repetitions`; where the repetitions are fixed, the longest
/// hold; where that is fixed too, the most sets.
///
/// Whoever does all sets at the top may go on: nobody needs the most of everything at once. Source: common practice, no published
/// source.
pub fn at_top(known: &Knowledge, exercise: &Exercise, dose: &Dose) -> bool {
    let range = &exercise.range;
    if in_pieces(exercise, dose) {
        let piece = f64::from(dose.repetitions * dose.hold_s);
        return f64::from(dose.sets + 1) * piece > known.threshold("hold-most-s");
    }
    let grows = |[low, high]: [u32; 2]| low < high;
    if let Some(seconds) = range.duration_s.filter(|r| grows(*r)) {
        dose.duration_s.unwrap_or(dose.hold_s) >= seconds[1]
    } else if grows(range.repetitions) {
        let may = known.threshold("elastic-may-repetitions") as u32;
        let top = if dose.elastic_level.is_some() {
            may.clamp(range.repetitions[0], range.repetitions[1])
        } else {
            range.repetitions[1]
        };
        dose.repetitions >= top
    } else if grows(range.hold_s) {
        dose.hold_s >= range.hold_s[1]
    } else {
        dose.sets >= range.sets[1]
    }
}

/// Whether a dose is held longer than its row says: in the pieces of a school, where only the sets can grow.
fn in_pieces(exercise: &Exercise, dose: &Dose) -> bool {
    exercise.range.duration_s.is_none() && dose.hold_s > exercise.range.hold_s[1]
}

/// One step more of one thing: repetitions or seconds, then sets, then hold, then load. `None` at the top of everything.
///
/// An elastic goes up a level at the top of a shorter range, must at `elastic-must-repetitions`, and restarts at the low end; weight
/// by `weight-step-kg`, of a heavy one by at most `weight-step-share-pct`. What *may* go up before that: [`stronger_elastic`].
pub fn more(known: &Knowledge, exercise: &Exercise, dose: &Dose) -> Option<Dose> {
    let step = |id: &str| known.threshold(id);
    let range = &exercise.range;
    let mut next = *dose;
    let low = range.repetitions[0].max(1);
    // So many repetitions with an elastic are no longer strength: the level goes up before anything else.
    if dose.repetitions >= step("elastic-must-repetitions") as u32
        && let Some(up) = level_up(exercise, dose)
    {
        return Some(up);
    }
    if in_pieces(exercise, dose) {
        next.sets += 1;
        return (!at_top(known, exercise, dose)).then_some(next);
    }
    if let Some([_, longest]) = range.duration_s {
        let seconds = dose.duration_s.unwrap_or(dose.hold_s);
        if seconds < longest {
            // Long work grows by its share, in whole steps.
            let whole = step("duration-step-s");
            let share = f64::from(seconds) * step("duration-step-share-pct") / 100.0;
            let further = whole * (share / whole).floor().max(1.0);
            next.duration_s = Some(seconds.saturating_add(further as u32).min(longest));
            next.hold_s = 0;
            return Some(next);
        }
    } else if dose.repetitions < range.repetitions[1] {
        let long = f64::from(range.repetitions[1]) > step("repetitions-long-above");
        let further = step(if long {
            "repetitions-step-long"
        } else {
            "repetitions-step"
        }) as u32;
        next.repetitions = (dose.repetitions + further).min(range.repetitions[1]);
        return Some(next);
    }
    if dose.sets < range.sets[1] {
        next.sets += 1;
        return Some(next);
    }
    if range.duration_s.is_none() && dose.hold_s < range.hold_s[1] {
        next.hold_s = (dose.hold_s + step("hold-step-s") as u32).min(range.hold_s[1]);
        return Some(next);
    }
    // Begun with the arm's own weight, the first step is a weight in the hand.
    let own = dose.elastic_level.is_none().then_some(0.0);
    if let (Some(kg), Some(max)) = (dose.load_kg.or(own), range.load_kg_max) {
        let whole = step("weight-step-kg");
        let share = kg * step("weight-step-share-pct") / 100.0;
        let heavy = kg > step("weight-heavy-kg");
        let further = if heavy { share.min(whole) } else { whole };
        let heavier = ((kg + further) * 10.0).round() / 10.0;
        if heavier <= max + 1e-9 {
            return Some(Dose {
                load_kg: Some(heavier),
                repetitions: low,
                ..next
            });
        }
    }
    level_up(exercise, dose)
}

/// The next level of elastic from the low end of the repetitions, where the row has one.
fn level_up(exercise: &Exercise, dose: &Dose) -> Option<Dose> {
    let range = &exercise.range;
    let (level, max) = (dose.elastic_level?, range.elastic_level_max?);
    (level < max).then_some(Dose {
        elastic_level: Some(level + 1),
        repetitions: range.repetitions[0].max(1),
        ..*dose
    })
}

/// The stronger elastic that may be taken already: from `elastic-may-repetitions` on, before it must.
pub fn stronger_elastic(known: &Knowledge, exercise: &Exercise, dose: &Dose) -> Option<Dose> {
    let [may, must] = ["elastic-may-repetitions", "elastic-must-repetitions"]
        .map(|id| known.threshold(id) as u32);
    (may..must)
        .contains(&dose.repetitions)
        .then(|| level_up(exercise, dose))
        .flatten()
}

/// The lower half of the range, after days without.
pub fn lower_half(exercise: &Exercise, dose: &Dose) -> Dose {
    let [low, high] = exercise.range.repetitions;
    let sets = (exercise.range.sets[0] + exercise.range.sets[1]) / 2;
    let middle = exercise
        .range
        .duration_s
        .map(|[low, high]| low.midpoint(high));
    Dose {
        repetitions: dose.repetitions.min(low.midpoint(high)).max(1),
        sets: dose.sets.min(sets.max(1)),
        duration_s: dose.duration_s.map(|s| s.min(middle.unwrap_or(s))),
        ..*dose
    }
}

/// Less of the same: sets down by the cut, at least one; of one set the repetitions or the seconds.
pub fn less(dose: &Dose, cut_pct: f64) -> Dose {
    let keep = 1.0 - cut_pct / 100.0;
    let sets = ((f64::from(dose.sets) * keep).round() as u32).max(1);
    let cut = |n: u32| ((f64::from(n) * keep).round() as u32).max(1);
    // One set cannot be cut: what it is made of is.
    match (sets == dose.sets, dose.duration_s) {
        (false, _) => Dose { sets, ..*dose },
        (true, Some(seconds)) => Dose {
            duration_s: Some(cut(seconds)),
            ..*dose
        },
        (true, None) => Dose {
            repetitions: cut(dose.repetitions),
            ..*dose
        },
    }
}

/// More often and never harder, for a stiff shoulder.
pub fn more_often(exercise: &Exercise, dose: &Dose) -> Option<Dose> {
    (dose.times_per_day < exercise.range.times_per_day[1]).then(|| Dose {
        times_per_day: dose.times_per_day + 1,
        ..*dose
    })
}

/// Half of what makes it hard: the weight, the level of elastic, the effort; half the sets where none of them is there.
pub fn half_load(dose: &Dose) -> Dose {
    let mut out = *dose;
    match (dose.load_kg, dose.elastic_level, dose.effort_pct) {
        (Some(kg), _, _) if kg > 0.0 => out.load_kg = Some((kg * 5.0).round() / 10.0),
        (_, Some(level), _) if level > 1 => out.elastic_level = Some(level / 2),
        (_, _, Some(effort)) if effort > 1 => out.effort_pct = Some(effort / 2),
        _ if out.sets > 1 => out.sets /= 2,
        _ if out.duration_s.is_some() => out.duration_s = out.duration_s.map(|s| (s / 2).max(1)),
        _ => out.repetitions = (out.repetitions / 2).max(1),
    }
    out.force_n = None;
    out
}

/// Whether `change` asks more than `line` did: harder, longer, oftener, or a rung that comes later.
pub fn asks_more(known: &Knowledge, line: &Line, change: &Change) -> bool {
    let Some(new) = change.dose() else {
        return false;
    };
    if let Change::Exercise { exercise, .. } = change
        && *exercise != line.exercise
    {
        let of = |id: &str| known.exercises.get(id);
        return match (of(&line.exercise), of(exercise)) {
            (Some(old), Some(next)) => {
                old.ladder != next.ladder || next.rung > old.rung || old.next.contains(&next.id)
            }
            _ => true,
        };
    }
    let old = &line.dose;
    // Without a distance of its own a dose has the row's.
    let anchor = known
        .exercises
        .get(&line.exercise)
        .and_then(Exercise::anchor_m);
    let work = |d: &Dose| d.sets * d.repetitions * d.times_per_day * d.days_per_week;
    let more = |new: Option<f64>, old: Option<f64>| new.unwrap_or(0.0) > old.unwrap_or(0.0) + 1e-9;
    let count = |v: Option<u32>| v.map(f64::from);
    work(new) > work(old)
        || new.hold_s > old.hold_s.max(old.duration_s.unwrap_or(0))
        || new.duration_s.unwrap_or(0) > old.duration_s.unwrap_or(old.hold_s)
        || more(new.load_kg, old.load_kg)
        || more(count(new.elastic_level), count(old.elastic_level))
        || more(count(new.effort_pct), count(old.effort_pct))
        || more(new.distance_m.or(anchor), old.distance_m.or(anchor))
}

/// One lighter day: nearer to the anchor where there is a distance, else the level below, else half the weight; and half the sets.
///
/// `nearer_m` is how much nearer; what lies closer than `least_m` is not made closer. `anchor_m` is where the row puts the anchor
/// when the dose does not say it. Source: common practice, no published source.
pub fn eased(dose: &Dose, anchor_m: Option<f64>, [nearer_m, least_m]: [f64; 2]) -> Dose {
    let mut out = less(dose, 50.0);
    match (
        dose.distance_m.or(anchor_m),
        dose.elastic_level,
        dose.load_kg,
    ) {
        (Some(metres), Some(_), _) => {
            let nearer = (metres - nearer_m).max(least_m.min(metres));
            // Rounded to a centimetre, and never further away than it was.
            out.distance_m = Some(((nearer * 100.0).round() / 100.0).min(metres));
            // The pull of the old place does not hold here; who knows the band works it out.
            out.force_n = None;
        }
        (_, Some(level), _) if level > 1 => out.elastic_level = Some(level - 1),
        (_, _, Some(kg)) if kg >= 1.0 => out.load_kg = Some((kg * 5.0).round() / 10.0),
        _ => {}
    }
    out
}

/// A bad day of one exercise: an overlay for that day, which changes no line.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct BadDay {
    /// How much.
    pub dose: Dose,
    /// So much nearer to where the elastic is fixed, in metres.
    pub nearer_m: Option<f64>,
    /// Whether the way is to be shorter, because nothing else makes it lighter.
    pub smaller_arc: bool,
}

/// What a dose becomes on a bad day, with how much nearer, or whether the way is shorter.
pub fn bad_day(known: &Knowledge, exercise: &Exercise, dose: &Dose) -> BadDay {
    let anchor = exercise.anchor_m();
    let steps = ["flare-nearer-m", "flare-least-m"].map(|id| known.threshold(id));
    let easier = eased(dose, anchor, steps);
    let apart = easier.distance_m.zip(dose.distance_m.or(anchor));
    BadDay {
        dose: easier,
        nearer_m: apart.map(|(now, then)| ((then - now) * 100.0).round() / 100.0),
        smaller_arc: apart.is_none()
            && exercise.hardest() < Level::Isometric
            && easier.duration_s.is_none(),
    }
}

/// What speaks against an exercise today, blocking first; empty when nothing does.
pub(super) fn against(
    ctx: &CheckContext,
    exercise: &Exercise,
    dose: &Dose,
    day: EpisodeDay,
) -> Vec<Finding> {
    let mut findings = check_exercise(ctx, exercise, dose, day).findings;
    findings.retain(|f| f.status != Status::Allowed);
    findings.sort_by_key(|f| std::cmp::Reverse(f.status));
    findings
}

/// The rungs of the same ladder that may follow (another ladder is the builder's to open), each with the dose it starts with and what speaks against it today.
pub(super) fn next_rungs(
    ctx: &CheckContext,
    exercise: &Exercise,
    day: EpisodeDay,
) -> Vec<(Change, Vec<Finding>)> {
    let next = exercise
        .next
        .iter()
        .filter_map(|id| ctx.known.exercises.get(id));
    next.filter(|e| e.ladder == exercise.ladder && ctx.rules.opening_phase(&e.id).is_some())
        .map(|e| {
            let dose = start_dose(ctx.rules, e, Irritability::Low, day);
            (
                Change::Exercise {
                    exercise: e.id.clone(),
                    dose,
                },
                against(ctx, e, &dose, day),
            )
        })
        .collect()
}

/// The rung `down` below on the same ladder that nothing blocks today.
pub(super) fn rung_below(
    ctx: &CheckContext,
    exercise: &Exercise,
    down: u32,
    day: EpisodeDay,
) -> Option<Change> {
    let mut below: Vec<&Exercise> = ctx
        .known
        .exercises
        .values()
        .filter(|e| {
            e.ladder == exercise.ladder
                && e.rung < exercise.rung
                && ctx.rules.opening_phase(&e.id).is_some()
                // What is not at hand is no way back.
                && e.kit.iter().all(|item| ctx.kit.contains(item))
                && ctx.keeps_from(e.attitude).is_none()
        })
        .filter(|e| {
            against(
                ctx,
                e,
                &start_dose(ctx.rules, e, Irritability::Low, day),
                day,
            )
            .iter()
            .all(|f| f.status != Status::Blocked)
        })
        .collect();
    below.sort_by_key(|e| std::cmp::Reverse(e.rung));
    let target = below
        .get(down.saturating_sub(1) as usize)
        .or(below.last())?;
    Some(Change::Exercise {
        exercise: target.id.clone(),
        dose: start_dose(ctx.rules, target, Irritability::Low, day),
    })
}

/// The lines after a change of one of them was accepted on `day`: what runs until today ends, what follows begins today.
///
/// ```
/// use ritorno_core::deciding::{Change, apply};
/// use ritorno_core::facts::Line;
/// use uuid::Uuid;
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let dose = known.exercises["pendulum-cradle"].dose;
/// let line = Line {
///     id: Uuid::from_u128(1),
///     exercise: "pendulum-cradle".into(),
///     from_day: 0,
///     to_day: 42,
///     dose,
///     override_reason: None,
///     by_hand: false,
/// };
/// let more = Change::Dose { dose: ritorno_core::knowledge::Dose { sets: dose.sets + 1, ..dose } };
/// let lines = apply(&known, &[line.clone()], line.id, &more, 20, Uuid::from_u128(2));
/// // What ran stays as it was until the day of the change; what follows is a line of its own.
/// assert_eq!((lines[0].to_day, lines[1].from_day), (20, 20));
/// assert_eq!(lines[0].dose, dose);
/// assert_eq!(lines[1].dose.sets, dose.sets + 1);
/// ```
///
/// After less than before, later rungs of the same ladder begin no sooner than `step-back-delay-days` later.
pub fn apply(
    known: &Knowledge,
    lines: &[Line],
    line: Uuid,
    change: &Change,
    day: EpisodeDay,
    id: Uuid,
) -> Vec<Line> {
    let ladder = |exercise: &str| {
        known
            .exercises
            .get(exercise)
            .map(|e| (e.ladder.as_str(), e.rung))
    };
    let old = lines.iter().find(|l| l.id == line);
    // A branch may lead to a rung with a smaller number: what follows is never less than before.
    let follows = |exercise: &str| {
        old.and_then(|l| known.exercises.get(&l.exercise))
            .is_some_and(|e| e.next.iter().any(|n| n == exercise))
    };
    let back = match (old.and_then(|l| ladder(&l.exercise)), change) {
        (Some((own, rung)), Change::Exercise { exercise, .. }) => {
            ladder(exercise).is_some_and(|(other, to)| other == own && to < rung)
                && !follows(exercise)
        }
        _ => false,
    };
    let own = old.and_then(|l| ladder(&l.exercise)).map(|(l, _)| l);
    let wait = day + known.threshold("step-back-delay-days") as EpisodeDay;
    let mut out: Vec<Line> = Vec::with_capacity(lines.len() + 1);
    for l in lines {
        let same_ladder =
            l.id != line && l.from_day > day && ladder(&l.exercise).map(|(x, _)| x) == own;
        if same_ladder && back {
            let from_day = l.from_day.max(wait);
            if l.to_day > from_day {
                out.push(Line {
                    from_day,
                    ..l.clone()
                });
            }
            continue;
        }
        if l.id != line || *change == Change::None {
            out.push(l.clone());
            continue;
        }
        if l.from_day < day {
            out.push(Line {
                to_day: day,
                ..l.clone()
            });
        }
        let (exercise, dose) = match change {
            Change::None | Change::Remove => continue,
            Change::Dose { dose } => (l.exercise.clone(), *dose),
            Change::Exercise { exercise, dose } => (exercise.clone(), *dose),
        };
        let to_day = l.to_day.max(if back { wait } else { day + 1 });
        let id = if l.from_day < day { id } else { l.id };
        out.push(Line {
            id,
            exercise,
            from_day: day,
            to_day,
            dose,
            // A reason belongs to one version of one line.
            override_reason: None,
            by_hand: true,
        });
    }
    out
}
