//! Decisions: who needs a decision from me now?

use crate::app::App;
use crate::form::control;
use crate::problem::{ApiError, Problem};
use crate::unread::{Unread, for_reader};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, web};
use ritorno_core::calendar::{Clock, episode_day};
use ritorno_core::lanes::{Lane, LaneName};
use ritorno_core::permission::Action;
use ritorno_store::daylist::{self, Place};
use ritorno_store::{EpisodeId, PatientId, UserId, access, cover, user};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

const PAGE: i64 = 50;

/// What to list.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Query {
    /// Part of a name or of the work.
    search: Option<String>,
    /// One lane only.
    lane: Option<LaneName>,
    /// One pathway only.
    pathway: Option<String>,
    /// One phase only.
    phase: Option<String>,
    /// Only shoulders that the reader treats, or of somebody whose patients the reader looks after.
    #[serde(default)]
    mine: bool,
    /// The place after which the page begins: `next` of the page before.
    after: Option<String>,
}

/// One patient of the day's work.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct DecisionRow {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    name: String,
    work: String,
    side: String,
    /// Weeks and days.
    clock: Clock,
    /// As it was worked out and saved: passed on as it lies, not read and written again.
    #[schema(value_type = Lane)]
    lane: serde_json::Value,
    /// Who treats it, by name.
    treated_by: Option<String>,
}

/// How many are in a lane.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct LaneCount {
    lane: String,
    count: i64,
}

/// A pathway and a phase that somebody is in.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct InPhase {
    pathway: String,
    phase: String,
}

/// One page of the list.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct DayListPage {
    rows: Vec<DecisionRow>,
    counts: Vec<LaneCount>,
    /// The place after which the next page begins, where there is one.
    next: Option<String>,
    /// Pathways and phases that anybody is in, to choose from.
    places: Vec<InPhase>,
    /// Lanes that the change of day has not come to yet: they may say something else today.
    behind: i64,
    /// Whose words from home wait for the reader.
    unread: Vec<Unread>,
}

#[utoipa::path(tag = "day-list", params(Query), responses((status = 200, body = DayListPage), (status = "default", body = Problem)))]
#[get("/day-list")]
pub(crate) async fn list(
    app: App,
    req: HttpRequest,
    query: web::Query<Query>,
) -> Result<web::Json<DayListPage>, ApiError> {
    let query = query.into_inner();
    let mut faults = Faults::default();
    let after: Option<Place> = match &query.after {
        None => None,
        Some(text) => {
            // Escaped, a character passes the address that the database would refuse.
            let plain = |p: &Place| {
                !p.family_name
                    .chars()
                    .chain(p.given_name.chars())
                    .any(control)
            };
            let place = serde_json::from_str(text).ok().filter(plain);
            if place.is_none() {
                faults.push("after", "unreadable-place", &[]);
            }
            place
        }
    };
    faults.check()?;
    app.read(&req, Action::ReadRecord, move |state, conn, reader| {
        let today = state.today.date();
        let (_, rules) = access::newest(conn)?;
        let own = rules.keeps_to_own(reader.role);
        let theirs = if own || query.mine {
            cover::looked_after_by(conn, reader.id, today)?
        } else {
            Vec::new()
        };
        let filter = daylist::Filter {
            search: query.search.unwrap_or_default().chars().take(80).collect(),
            lane: query.lane,
            pathway: query.pathway,
            phase: query.phase,
            or_nobody: own && !query.mine,
            treated_by: theirs.clone(),
            after,
            limit: PAGE,
        };
        let people: BTreeMap<UserId, String> = user::all(conn)?
            .into_iter()
            .map(|u| (u.id, u.name))
            .collect();
        let mut found = daylist::list(conn, &filter)?;
        let more = found.len() > PAGE as usize;
        found.truncate(PAGE as usize);
        let next = found
            .last()
            .filter(|_| more)
            .and_then(|row| serde_json::to_string(&row.place()).ok());
        let rows = found
            .into_iter()
            .map(|row| DecisionRow {
                patient: row.patient_id,
                episode: row.episode_id,
                name: format!("{} {}", row.given_name, row.family_name),
                work: row.work,
                side: row.side,
                clock: Clock::at(episode_day(row.day0, today)),
                lane: row.body,
                treated_by: row.treated_by.and_then(|id| people.get(&id).cloned()),
            })
            .collect();
        let counts = if own {
            daylist::counts_of(conn, &theirs)?
        } else {
            daylist::counts(conn)?
        };
        let counts = counts
            .into_iter()
            .map(|(lane, count)| LaneCount { lane, count })
            .collect();
        Ok(web::Json(DayListPage {
            rows,
            counts,
            next,
            places: daylist::places(conn)?
                .into_iter()
                .map(|(pathway, phase)| InPhase { pathway, phase })
                .collect(),
            behind: daylist::behind(conn, today)?,
            unread: for_reader(state, conn, reader)?,
        }))
    })
    .await
}
