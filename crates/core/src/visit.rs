//! The follow-up on one page.

use crate::assessment::Assessment;
use crate::calendar::{Clock, EpisodeDay, date_of};
use crate::context::CheckContext;
use crate::deciding::{LineDecision, Move, decide};
use crate::facts::{
    Appointment, ExamFact, Facts, LeftBecause, Line, LineStep, LogEntry, LogFact, SurgeonLimit,
    TryOutWord,
};
use crate::flags::FlagView;
use crate::plan::{PrecautionSpan, Volume, precaution_spans, volume};
use crate::progress::{
    ContactView, GateView, WatchView, adherence_lately, contact_view, next_gate, watch_views,
};
use crate::ranges::{Breach, CorridorView, Dial, corridor_views, dials};
use crate::reading::{RetestView, retest};
use crate::reason::Reason;
use crate::safety::{running_lines, scheduled_lines};
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// The visit page.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VisitView {
    /// Weeks and days.
    pub clock: Clock,
    /// Phase reached, by id.
    pub phase: Option<String>,
    /// All flags.
    pub flags: Vec<FlagView>,
    /// Limits whose end has come and waits for one key.
    pub limits_to_confirm: Vec<SurgeonLimit>,
    /// Precautions of today.
    pub precautions: Vec<PrecautionSpan>,
    /// Dials, in order; those due first come to the page.
    pub dials: Vec<Dial>,
    /// Corridors with measurements.
    pub corridors: Vec<CorridorView>,
    /// The next gate.
    pub gate: Option<GateView>,
    /// The log of the last days, newest first.
    pub log: Vec<LogEntry>,
    /// How many days of it: threshold `look-back-days`.
    pub log_days: EpisodeDay,
    /// Over how many days adherence is counted: threshold `adherence-days`.
    pub adherence_days: EpisodeDay,
    /// Share of the planned sessions done in those days, where anything was logged.
    pub adherence_pct: Option<f64>,
    /// Share of the planned sessions of which anything is known.
    pub known_pct: Option<f64>,
    /// Exercises that run today and were never tried out in the room: nothing new goes home untried.
    pub untried: Vec<String>,
    /// The painful movement to look at before and after the first set, where the school asks for it.
    pub retest: Option<RetestView>,
    /// What today's facts call for.
    pub calls: Vec<Reason>,
    /// Measurements above their ceiling that nobody has dealt with.
    pub breaches: Vec<Breach>,
    /// How today's contact is held, and what it leaves out of reach.
    pub contact: ContactView,
    /// Appointments from today on, the next first.
    pub appointments: Vec<Appointment>,
    /// What the pathway watches for at this time.
    pub watches: Vec<WatchView>,
    /// What to do with each exercise, the gravest first.
    pub decisions: Vec<LineDecision>,
    /// Why a short plan is offered: too little is done, and nothing else keeps the program from going on.
    pub short_plan: Option<Reason>,
    /// Exercises that a stop has paused, until somebody resumes them.
    pub paused: Vec<LineStep>,
    /// What today's exercises add up to.
    pub volume: Volume,
    /// What was told to be missing at home.
    pub kit_missed: Vec<HomeKit>,
}

/// A piece of kit that today's exercises need at home.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HomeKit {
    /// Kit id.
    pub kit: String,
    /// Exercises that need it.
    pub exercises: Vec<String>,
    /// Whether the story says that it is there.
    pub there: bool,
    /// When one of them was last left out because something was missing, and not done since.
    pub missed_on: Option<NaiveDate>,
}

/// What today's exercises need at home, in the order of the program.
pub fn home_kit(ctx: &CheckContext, facts: &Facts) -> Vec<HomeKit> {
    let mut out: Vec<HomeKit> = Vec::new();
    for line in running_lines(ctx, facts, ctx.today) {
        let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
            continue;
        };
        let missed = ctx
            .log
            .days(facts, &line.exercise)
            .fold(None, |so_far, (day, told)| {
                let done = |f: &LogFact| matches!(f, LogFact::Done { sessions: 1.., .. });
                match ctx.log.left_because(facts, &line.exercise, day) {
                    Some(LeftBecause::NoKit) => date_of(facts.story.day0, day),
                    _ if told.facts().any(done) => None,
                    _ => so_far,
                }
            });
        for item in &exercise.kit {
            let row = match out.iter().position(|row| row.kit == *item) {
                Some(at) => &mut out[at],
                None => {
                    out.push(HomeKit {
                        kit: item.clone(),
                        exercises: Vec::new(),
                        there: ctx.kit.contains(item),
                        missed_on: None,
                    });
                    let last = out.len() - 1;
                    &mut out[last]
                }
            };
            row.exercises.push(line.exercise.clone());
            row.missed_on = row.missed_on.max(missed);
        }
    }
    out
}

/// Works out the visit page.
pub fn visit_view(assessment: &Assessment) -> VisitView {
    let (ctx, facts) = (assessment.ctx(), assessment.facts);
    let day = facts.day();
    let all = dials(&ctx, facts);
    let look_back = ctx.known.threshold("look-back-days") as EpisodeDay;
    let mut log: Vec<LogEntry> = facts
        .log
        .iter()
        .filter(|e| day - facts.day_of(e.on) < look_back)
        .cloned()
        .collect();
    log.reverse();
    let decisions = decide(&ctx, facts);
    let done = adherence_lately(&ctx, facts);
    let new = untried(&ctx, facts);
    VisitView {
        clock: Clock::at(day),
        phase: assessment.rules.phase(ctx.phase).map(|p| p.id.clone()),
        flags: assessment.flags.clone(),
        limits_to_confirm: facts
            .limits
            .iter()
            .filter(|l| {
                let asks = l.until_day.into_iter().chain(l.ask_again_day).min();
                l.ended_on.is_none() && asks.is_some_and(|from| day >= from)
            })
            .cloned()
            .collect(),
        precautions: precaution_spans(&ctx)
            .into_iter()
            .filter(|p| (p.from_day..p.to_day).contains(&day))
            .collect(),
        // What was tried out today is still being looked at: the movement after the set comes last.
        retest: (!new.is_empty() || tried_today(facts))
            .then(|| retest(&ctx, facts))
            .flatten(),
        untried: new,
        calls: (all.iter().flat_map(|d| &d.calls))
            .chain(&assessment.rules.of_schools)
            .cloned()
            .collect(),
        breaches: assessment.breaches.clone(),
        watches: watch_views(&ctx, facts),
        contact: contact_view(&ctx, facts),
        appointments: to_come(facts),
        dials: all,
        corridors: corridor_views(&ctx, facts),
        gate: next_gate(&ctx, facts),
        log,
        log_days: look_back,
        adherence_days: ctx.known.threshold("adherence-days") as EpisodeDay,
        adherence_pct: done.map(|a| a.pct),
        known_pct: done.map(|a| a.known_pct),
        short_plan: short_plan(&ctx, &decisions),
        kit_missed: home_kit(&ctx, facts)
            .into_iter()
            .filter(|row| row.missed_on.is_some())
            .collect(),
        decisions,
        paused: scheduled_lines(&ctx, facts, day)
            .iter()
            .filter_map(|l| facts.paused(&l.exercise).cloned())
            .collect(),
        volume: volume(
            &ctx,
            &running_lines(&ctx, facts, day),
            facts
                .minutes_left(ctx.known.pace())
                .map(|m| m.floor() as u32),
        ),
    }
}

/// Appointments from today on, the next first.
fn to_come(facts: &Facts) -> Vec<Appointment> {
    let mut rows: Vec<Appointment> = facts
        .appointments
        .iter()
        .filter(|a| a.day >= facts.today)
        .cloned()
        .collect();
    rows.sort_by_key(|a| (a.day, a.time));
    rows
}

/// Offered when too little is done and that is all that holds: where a stop, pain or something unknown speaks, that comes first.
///
/// Source: common practice, no published source.
fn short_plan(ctx: &CheckContext, decisions: &[LineDecision]) -> Option<Reason> {
    let little = decisions.iter().find(|d| d.rule.rule == "hold-adherence")?;
    let other = |d: &LineDecision| d.kind < Move::HoldUnknown;
    if decisions.iter().any(other) {
        return None;
    }
    let mut reason = Reason::new("short-plan")
        .with("count", ctx.known.threshold("short-plan-exercises"))
        .with("minutes", ctx.known.threshold("short-plan-minutes"));
    for name in ["percent", "least"] {
        if let Some(value) = little.rule.args.get(name) {
            reason.args.insert(name.to_owned(), value.clone());
        }
    }
    Some(reason)
}

fn tried_today(facts: &Facts) -> bool {
    let mut today = facts.exam_notes.iter().filter(|n| n.on == facts.today);
    today.any(|n| matches!(n.fact, ExamFact::TryOut { .. }))
}

/// What goes home: what runs today, without what was not tried out.
pub fn goes_home<'a>(ctx: &CheckContext, facts: &'a Facts) -> Vec<&'a Line> {
    let waits = untried(ctx, facts);
    running_lines(ctx, facts, ctx.today)
        .into_iter()
        .filter(|line| !waits.contains(&line.exercise))
        .collect()
}

/// Exercises that run today, were never tried out clean, with an ache that eased, or with faults to watch, and have not been done at home before.
///
/// Source: common practice, no published source.
pub fn untried(ctx: &CheckContext, facts: &Facts) -> Vec<String> {
    let tried = |id: &str| {
        let last = facts.exam_notes.iter().rev().find_map(|n| match &n.fact {
            ExamFact::TryOut { exercise, went } if exercise == id => Some(*went),
            _ => None,
        });
        matches!(
            last,
            Some(TryOutWord::Clean | TryOutWord::Eases | TryOutWord::Faults)
        )
    };
    let done = |id: &str| {
        let counts = |f: &LogFact| matches!(f, LogFact::Done { sessions, .. } if *sessions > 0);
        let mut days = ctx.log.days(facts, id);
        days.any(|(_, told)| told.facts().any(counts))
    };
    running_lines(ctx, facts, facts.day())
        .iter()
        .map(|l| l.exercise.clone())
        .filter(|id| !tried(id) && !done(id))
        .collect()
}
