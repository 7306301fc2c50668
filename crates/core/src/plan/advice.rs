//! What is worth knowing on a day beside the exercises, and what somebody may do again by which day.

use super::chart::precaution_spans;
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Advice, HealingClock, SlingTime};
use crate::reading::score;
use crate::rules::ArmWord;
use crate::safety::running_lines;
use serde::{Deserialize, Serialize};

/// Something of daily life, and the day from which no precaution keeps it back.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct May {
    /// A wording key.
    pub id: String,
    /// The first day on which no precaution keeps it back: not a permission, gates and limits still hold.
    pub from_day: EpisodeDay,
}

fn sling_time(ctx: &CheckContext) -> SlingTime {
    match &ctx.rules.sling {
        Some(s) if ctx.today < s.day_and_night_until => SlingTime::Worn,
        Some(s) if ctx.today < s.nights_until => SlingTime::Weaning,
        _ => SlingTime::Off,
    }
}

/// Whether the last answers on a questionnaire come to so much.
fn scores_at_least(ctx: &CheckContext, facts: &Facts, instrument: &str, least: f64) -> bool {
    let row = ctx.known.scores.iter().find(|row| row.id == instrument);
    let last = facts.sheets.iter().rfind(|s| s.instrument == instrument);
    let Some((row, sheet)) = row.zip(last) else {
        return false;
    };
    score(row, &sheet.answers).is_ok_and(|scored| scored.value >= least)
}

fn concerns(ctx: &CheckContext, facts: &Facts, kit: &[&str], row: &Advice) -> bool {
    let any = |of: &[String]| facts.story.health.iter().any(|h| of.contains(h));
    let weeks = row.from_week * WEEK..row.until_week.map_or(EpisodeDay::MAX, |week| week * WEEK);
    (row.clocks.is_empty() || row.clocks.contains(&ctx.rules.clock))
        && (!row.slipped || ctx.rules.spoken(ctx.today).arm == ArmWord::Slipped)
        && (row.pathways.is_empty() || row.pathways.contains(&ctx.rules.column))
        && (row.sling.is_empty() || row.sling.contains(&sling_time(ctx)))
        && weeks.contains(&ctx.today)
        && (row.health.is_empty() || any(&row.health))
        && !any(&row.unless_health)
        && (row.kit.is_empty() || kit.iter().any(|item| row.kit.iter().any(|k| k == item)))
        && (row.score.as_ref())
            .is_none_or(|s| scores_at_least(ctx, facts, &s.instrument, s.at_least))
}

/// What is worth knowing today, the weightiest first, as wording keys; never more than `advice-most`.
///
/// Source: the rows of `advice.toml`.
pub fn advice(ctx: &CheckContext, facts: &Facts) -> Vec<String> {
    let lines = running_lines(ctx, facts, ctx.today);
    let exercises = lines
        .iter()
        .filter_map(|line| ctx.known.exercises.get(&line.exercise));
    let kit: Vec<&str> = exercises
        .flat_map(|e| e.kit.iter().map(String::as_str))
        .collect();
    let most = ctx.known.threshold("advice-most") as usize;
    let told = ctx.known.advice.iter();
    told.filter(|row| concerns(ctx, facts, &kit, row))
        .take(most)
        .map(|row| row.id.clone())
        .collect()
}

/// What of daily life is kept back today, and until when. What is not kept back is not promised: gates and limits still hold.
///
/// The day is that of the last precaution that speaks of it; a sling that is worn by day keeps back what needs two hands.
pub fn may(ctx: &CheckContext) -> Vec<May> {
    let spans = precaution_spans(ctx);
    let sling = (ctx.rules.sling.as_ref()).map_or(0, |s| s.day_and_night_until);
    ctx.known
        .may
        .iter()
        .filter_map(|row| {
            let ends = spans.iter().filter(|p| row.until.contains(&p.id));
            let ends = ends.map(|p| p.to_day).max();
            // Where nothing heals by the calendar, doors open by criteria and no day can be told.
            let heals = ctx.rules.clock != HealingClock::None;
            let doors = row.classes.iter().filter(|_| heals);
            let doors = doors.filter_map(|class| Some(ctx.rules.class(class)?.opens_day));
            let wound = row
                .wound_weeks
                .filter(|_| ctx.rules.clock == HealingClock::Operation);
            let sling =
                Some(sling).filter(|_| row.sling && (ends.is_some() || row.until.is_empty()));
            let all = [ends, doors.max(), wound.map(|week| week * WEEK), sling];
            let from_day = all.into_iter().flatten().max()?;
            (from_day > ctx.today).then(|| May {
                id: row.id.clone(),
                from_day,
            })
        })
        .collect()
}
