//! Finding somebody by name, from any page.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::calendar::{Clock, episode_day};
use ritorno_core::permission::Action;
use ritorno_store::audit::Looking;
use ritorno_store::{EpisodeId, PatientId, access, episode, opening};
use serde::{Deserialize, Serialize};

/// Episodes that are shown at once.
const MOST: i64 = 12;
/// Characters that are looked for.
const LONGEST: usize = 80;

/// Whom to look for.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Query {
    /// Parts of the name, in any order; nobody where there is none.
    #[serde(default)]
    search: String,
}

/// One shoulder of somebody who was found.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct FoundShoulder {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    name: String,
    birth: NaiveDate,
    side: String,
    pathway: String,
    work: String,
    /// Weeks and days, up to today or to its end.
    clock: Clock,
    /// Whether it is somebody else's record, to be opened only with a reason; work and pathway are not told then.
    shut: bool,
    /// When it ended: who was discharged is found too.
    closed_on: Option<NaiveDate>,
}

#[utoipa::path(tag = "day-list", params(Query), responses((status = 200, body = Vec<FoundShoulder>), (status = "default", body = Problem)))]
#[get("/find")]
pub(crate) async fn find(
    app: App,
    req: HttpRequest,
    query: web::Query<Query>,
) -> Result<web::Json<Vec<FoundShoulder>>, ApiError> {
    let search: String = query.into_inner().search.chars().take(LONGEST).collect();
    app.read(&req, Action::ReadRecord, move |state, conn, reader| {
        if search.trim().is_empty() {
            return Ok(web::Json(Vec::new()));
        }
        let today = state.today.date();
        let found = episode::find(conn, &search, MOST)?;
        let (_, rules) = access::newest(conn)?;
        let own = rules.keeps_to_own(reader.role);
        let mut rows = Vec::new();
        for (who, shoulder) in found {
            let shut = own && opening::is_shut(conn, Looking::Patient(who.id), reader.id, today)?;
            let told = |text: String| if shut { String::new() } else { text };
            rows.push(FoundShoulder {
                shut,
                patient: who.id,
                episode: shoulder.episode,
                name: format!("{} {}", who.given_name, who.family_name),
                birth: who.birth,
                side: shoulder.side,
                pathway: told(shoulder.pathway),
                work: told(shoulder.work),
                clock: Clock::at(episode_day(
                    shoulder.day0,
                    shoulder.closed_on.map_or(today, |on| on.min(today)),
                )),
                closed_on: shoulder.closed_on,
            });
        }
        Ok(web::Json(rows))
    })
    .await
}
