//! What a pathway watches for besides the common rules, and which of it speaks today.
//!
//! Red flags and the common rules of deciding come first; a watch can only add to them. Source: the hold, back and stop
//! blocks of the pathways, common practice without a published source where the row names none.

use super::criterion::evaluate;
use super::status::{CriterionStatus, CriterionView};
use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Criterion, CriterionKind, LogEvent, Told, WatchAct};
use crate::reason::{Arg, Reason, wire};
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// One watch as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WatchView {
    /// Id, a wording key.
    pub watch: String,
    /// What is done when it speaks.
    pub act: WatchAct,
    /// Who is told.
    pub tell: Told,
    /// Within so many days.
    pub within_days: Option<u32>,
    /// Whether it speaks: everything it asks holds.
    pub speaks: bool,
    /// Whether it could not be answered, because something was not measured or is out of date.
    pub open: bool,
    /// The day of the newest datum behind it.
    pub since_day: Option<EpisodeDay>,
    /// The newest record behind it: what a step about its flag names.
    pub rests_on: Option<Uuid>,
    /// Ladders it holds or moves back; all when empty.
    pub ladders: Vec<String>,
    /// What it asks.
    pub criteria: Vec<CriterionView>,
}

impl WatchView {
    /// What it says, as a reason.
    pub fn reason(&self, rule: &str) -> Reason {
        let out = Reason::new(rule)
            .with("watch", self.watch.as_str())
            .with("tell", wire(self.tell));
        match self.since_day {
            Some(day) => out.with("day", day),
            None => out,
        }
    }

    /// Whether it concerns a ladder.
    pub fn concerns(&self, ladder: &str) -> bool {
        self.ladders.is_empty() || self.ladders.iter().any(|l| l == ladder)
    }
}

/// The watches of today, those that speak first, the gravest first.
pub fn watch_views(ctx: &CheckContext, facts: &Facts) -> Vec<WatchView> {
    let day = facts.day();
    let mut out: Vec<WatchView> = ctx
        .rules
        .watches
        .iter()
        .filter(|w| (w.from_day..w.until_day).contains(&day))
        .map(|w| {
            let criteria: Vec<CriterionView> =
                w.row.when.iter().map(|c| evaluate(ctx, facts, c)).collect();
            let worst = criteria
                .iter()
                .map(|c| c.status)
                .min()
                .unwrap_or(CriterionStatus::NotMeasured);
            WatchView {
                watch: w.row.id.clone(),
                act: w.row.act,
                tell: w.row.tell,
                within_days: w.row.within_days,
                speaks: worst == CriterionStatus::Met,
                open: matches!(
                    worst,
                    CriterionStatus::NotMeasured | CriterionStatus::OutOfDate
                ),
                since_day: criteria.iter().filter_map(newest_day).max(),
                rests_on: w
                    .row
                    .when
                    .iter()
                    .filter_map(|c| newest_record(ctx, facts, c))
                    .max()
                    .map(|(_, id)| id),
                ladders: w.row.ladders.clone(),
                criteria,
            }
        })
        .collect();
    out.sort_by(|a, b| b.speaks.cmp(&a.speaks).then(a.act.cmp(&b.act)));
    out
}

/// The newest day among the data behind a criterion that is met.
fn newest_day(view: &CriterionView) -> Option<EpisodeDay> {
    let own = view
        .datum
        .as_ref()
        .filter(|_| view.status == CriterionStatus::Met)
        .and_then(|d| match d.args.get("day") {
            Some(Arg::Number(day)) => Some(*day as EpisodeDay),
            _ => None,
        });
    view.parts.iter().filter_map(newest_day).chain(own).max()
}

/// The newest record that a criterion rests on.
fn newest_record(
    ctx: &CheckContext,
    facts: &Facts,
    criterion: &Criterion,
) -> Option<(NaiveDate, Uuid)> {
    let own = match &criterion.ask {
        CriterionKind::Measure { quantity, .. } | CriterionKind::Change { quantity, .. } => {
            facts.newest(quantity).map(|m| (m.on, m.id))
        }
        CriterionKind::Score { score, .. } | CriterionKind::ScoreChange { score, .. } => {
            let newest = facts.scores.iter().rev().find(|s| &s.score == score);
            newest.map(|s| (s.on, s.id))
        }
        CriterionKind::Attested { code, .. } => {
            let newest = facts.attestations.iter().rev().find(|a| &a.code == code);
            newest.map(|a| (a.on, a.id))
        }
        CriterionKind::Strength { test, .. } => {
            let newest = facts.strength.iter().rev().find(|t| &t.test == test);
            newest.map(|t| (t.on, t.id))
        }
        CriterionKind::LagGain { .. } => {
            let newest = facts
                .findings
                .iter()
                .rev()
                .find(|f| ctx.known.is_lag_test(&f.test) && f.side == facts.story.side);
            newest.map(|f| (f.on, f.id))
        }
        CriterionKind::CountFromLog {
            event: LogEvent::OverCeiling,
            ..
        } => facts.measurements.last().map(|m| (m.on, m.id)),
        CriterionKind::CountFromLog { event, .. } => {
            let newest = facts.log.iter().rev().find(|e| match event {
                LogEvent::Slip => e.fact.is_slip(),
                _ => true,
            });
            newest.map(|e| (e.on, e.id))
        }
        CriterionKind::SymptomFreeDays { .. } => {
            let newest = facts.log.iter().rev().find(|e| e.fact.is_slip());
            newest.map(|e| (e.on, e.id))
        }
        _ => None,
    };
    let parts = criterion.ask.parts();
    parts
        .iter()
        .filter_map(|part| newest_record(ctx, facts, part))
        .chain(own)
        .max()
}
