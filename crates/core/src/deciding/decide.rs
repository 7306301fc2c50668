//! The order in which a decision is sought: stop, step back, a flare day, hold, more of it, the next rung.

use super::case::Case;
use super::decision::{LineDecision, Move};
use super::diary::Diary;
use crate::context::CheckContext;
use crate::facts::{Facts, Line};
use crate::progress::{WatchView, adherence_lately, watch_views};
use crate::reason::Reason;
use crate::safety::{running_lines, scheduled_lines};

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
    let around = Around::of(ctx, facts);
    let mut out: Vec<LineDecision> = lines
        .into_iter()
        .filter_map(|l| decide_within(ctx, facts, l, &around))
        .collect();
    out.sort_by(|a, b| a.kind.cmp(&b.kind).then(a.exercise.cmp(&b.exercise)));
    out
}

/// Decides one line; `None` when its exercise is not known.
///
/// ```
/// use ritorno_core::assessment::Assessment;
/// use ritorno_core::facts::{Facts, Line, Start, Story};
/// use ritorno_core::mechanics::Arm;
/// use ritorno_core::deciding::{Move, decide_line};
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let day0 = "2027-01-22".parse().expect("a date");
/// let story = Story::begun("cuff-repair-small-medium", Arm::Right, day0, Start::Surgery);
/// let facts = Facts::new(day0 + chrono::Days::new(20), day0 - chrono::Days::new(18_000), story);
/// let assessment = Assessment::new(&known, &facts).expect("a known pathway");
/// let line = Line {
///     id: uuid::Uuid::nil(),
///     exercise: "pendulum-cradle".into(),
///     from_day: 0,
///     to_day: 42,
///     dose: known.exercises["pendulum-cradle"].dose,
///     override_reason: None,
///     by_hand: false,
/// };
/// let decision = decide_line(&assessment.ctx(), &facts, &line).expect("a known exercise");
/// // Nothing was told in twenty days: nobody goes on because nothing bad is known.
/// assert!(!matches!(decision.kind, Move::ProgressDose | Move::NextRung));
/// // It carries its rule and what that rests on, never a sentence.
/// assert!(!decision.rule.rule.is_empty());
/// ```
///
/// The order is fixed: stop, step back, a flare day, hold, more of it, next rung. What is unknown never counts as good.
pub fn decide_line(ctx: &CheckContext, facts: &Facts, line: &Line) -> Option<LineDecision> {
    decide_within(ctx, facts, line, &Around::of(ctx, facts))
}

/// What is the same for every line of a shoulder.
struct Around {
    watches: Vec<WatchView>,
    done_pct: Option<f64>,
}

impl Around {
    fn of(ctx: &CheckContext, facts: &Facts) -> Around {
        Around {
            watches: watch_views(ctx, facts),
            done_pct: adherence_lately(ctx, facts).map(|a| a.pct),
        }
    }
}

fn decide_within(
    ctx: &CheckContext,
    facts: &Facts,
    line: &Line,
    around: &Around,
) -> Option<LineDecision> {
    let exercise = ctx.known.exercises.get(&line.exercise)?;
    let diary = Diary::of(ctx.log, facts, &line.exercise);
    let watches = (around.watches)
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
        done_pct: around.done_pct,
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
