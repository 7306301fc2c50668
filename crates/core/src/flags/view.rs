//! Each red flag as it stands today, and when it comes back.

use super::causes::CauseView;
use super::derived::Derived;
use crate::context::CheckContext;
use crate::facts::{Answer, Facts, FlagStep, FlagStepKind};
use crate::knowledge::{RedFlag, Tier};
use crate::reason::Reason;
use chrono::{Days, NaiveDate};
use serde::{Deserialize, Serialize};

/// Where a flag stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FlagState {
    /// Nobody has asked.
    NotAsked,
    /// Answered no.
    No,
    /// A text says something that must be asked about.
    Queried,
    /// Raised, and nothing was done about a part of it.
    Raised,
    /// Something was done about all of it, and there is no answer yet. It still pauses everything.
    ActedOn,
    /// Raised, and all of it was answered.
    Answered,
}

/// One flag as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagView {
    /// Flag id.
    pub flag: String,
    /// How fast.
    pub tier: Tier,
    /// Whether it is a question (or derived from findings).
    pub asked: bool,
    /// Where it stands.
    pub state: FlagState,
    /// What it rests on now: its newest open cause's reason.
    pub reason: Option<Reason>,
    /// What raised it or asks about it, newest first, with where each stands.
    pub causes: Vec<CauseView>,
    /// What was done about it, oldest first.
    pub steps: Vec<FlagStep>,
    /// Acted on: when it comes back on top if there is no answer by then.
    pub back_on: Option<NaiveDate>,
    /// It has come back.
    pub overdue: bool,
    /// What may be done about it, by id.
    pub actions: Vec<String>,
    /// Whether a known loss may stand for a while.
    pub may_stand: bool,
    /// Within so many hours of a nerve block it is asked whether the feeling is coming back.
    pub block_hours: Option<u32>,
}

impl FlagView {
    /// Whether it holds the program.
    pub fn open(&self) -> bool {
        matches!(
            self.state,
            FlagState::Raised | FlagState::Queried | FlagState::ActedOn
        )
    }

    /// Whether somebody has to do something about it now.
    pub fn presses(&self) -> bool {
        matches!(self.state, FlagState::Raised | FlagState::Queried) || self.overdue
    }
}

/// Every flag: all questions, and the `derived` ones that have been raised.
///
/// `ctx` is used for the findings only; its own list of open flags is not read.
pub(crate) fn flag_views(ctx: &CheckContext, facts: &Facts, derived: &[Derived]) -> Vec<FlagView> {
    let texts = super::causes::passages(ctx, facts);
    let age = crate::calendar::age_years(facts.birth, facts.today);
    let mut out: Vec<FlagView> = ctx
        .known
        .red_flags
        .iter()
        .filter_map(|flag| {
            let asked = flag.asked
                && (flag.pathways.is_empty() || flag.pathways.contains(&ctx.rules.column))
                && flag
                    .from_age
                    .is_none_or(|from| age.is_none_or(|age| age >= from));
            let causes = super::causes::causes_of(facts, flag, derived, &texts, asked);
            (asked || !causes.is_empty()).then(|| view(ctx, facts, flag, asked, causes))
        })
        .collect();
    // What has come back stands before what is new at the same speed.
    out.sort_by_key(|f| (f.tier, !f.overdue));
    out
}

fn view(
    ctx: &CheckContext,
    facts: &Facts,
    flag: &RedFlag,
    asked: bool,
    causes: Vec<CauseView>,
) -> FlagView {
    use super::causes::CauseState as S;
    let any = |state: S| causes.iter().any(|c| c.raises() && c.state == state);
    let queried = causes.iter().any(CauseView::holds_as_question);
    let latest = facts.flag_answers.iter().rev().find(|a| a.flag == flag.id);
    let state = if any(S::Open) {
        FlagState::Raised
    } else if queried {
        FlagState::Queried
    } else if any(S::ActedOn) {
        FlagState::ActedOn
    } else if any(S::Answered) {
        FlagState::Answered
    } else if latest.is_some_and(|a| a.answer == Answer::No) {
        FlagState::No
    } else {
        FlagState::NotAsked
    };
    let steps: Vec<FlagStep> = facts
        .flag_steps
        .iter()
        .filter(|s| s.flag == flag.id)
        .cloned()
        .collect();
    let back_on = (state == FlagState::ActedOn)
        .then(|| {
            steps
                .iter()
                .rev()
                .find(|s| matches!(s.kind, FlagStepKind::Acted { .. }))
                .map(|s| comes_back(ctx, flag.tier, s.on))
        })
        .flatten();
    let reason = causes
        .iter()
        .find(|c| c.state != S::Answered)
        .and_then(|c| c.reason.clone());
    FlagView {
        flag: flag.id.clone(),
        tier: flag.tier,
        asked,
        state,
        reason,
        causes,
        steps,
        overdue: back_on.is_some_and(|on| on <= facts.today),
        back_on,
        actions: flag.actions.clone(),
        may_stand: flag.may_stand,
        block_hours: flag
            .block_hours
            .filter(|h| facts.operated() && facts.day() * 24 <= *h as i32),
    }
}

/// When what was acted on and not answered comes back on top: an emergency on the same clinic day, same day the next morning,
/// others after the days of `flag-back-days`. Source: our choice.
fn comes_back(ctx: &CheckContext, tier: Tier, acted: NaiveDate) -> NaiveDate {
    match tier {
        Tier::EmergencyNow => acted,
        Tier::SameDay => acted + Days::new(1),
        Tier::WithinDays | Tier::AskSurgeon => {
            acted + Days::new(ctx.known.threshold("flag-back-days") as u64)
        }
    }
}
