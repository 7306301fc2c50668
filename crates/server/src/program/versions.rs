//! Signed versions of a program, and what differs between two of them.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::permission::Action;
use ritorno_core::snapshot::{
    Stretches, VersionChange, compare, read_program, signed_stretches, stretches,
};
use ritorno_store::episode::Loaded;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, program};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A signed version.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SignedVersion {
    version: i32,
    on: NaiveDate,
    by: Option<String>,
}

/// Which versions to compare; without a number the program as it is now.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Between {
    /// The earlier one; the newest signed one where none is named.
    before: Option<i32>,
    /// The later one; the program as it is now where none is named.
    after: Option<i32>,
}

/// Versions, and what differs between two of them.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct VersionsPage {
    /// The newest first.
    versions: Vec<SignedVersion>,
    before: Option<i32>,
    after: Option<i32>,
    changes: Vec<VersionChange>,
}

fn of_version(
    conn: &mut PgConnection,
    loaded: &Loaded,
    version: i32,
) -> Result<Option<Stretches>, ApiError> {
    let Some(head) = &loaded.program else {
        return Ok(None);
    };
    let Some((kind, body)) = program::snapshot(conn, head.id, version)? else {
        return Ok(None);
    };
    let kept = read_program(kind, body).map_err(|_| StoreError::Unreadable("snapshot"))?;
    Ok(signed_stretches(&kept))
}

#[utoipa::path(tag = "program", params(Between), responses((status = 200, body = VersionsPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/program/versions")]
pub(crate) async fn program_versions(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    between: web::Query<Between>,
) -> Result<web::Json<VersionsPage>, ApiError> {
    let id = EpisodeId(*id);
    let between = between.into_inner();
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let versions = match &loaded.program {
            Some(head) => program::signed_versions(conn, head.id)?,
            None => Vec::new(),
        };
        let before = between.before.or(versions.first().map(|v| v.version));
        let mut faults = Faults::default();
        let mut read = |field: &str, version: i32| {
            let found = of_version(conn, &loaded, version)?;
            faults.known(field, &version.to_string(), found.is_some());
            Ok::<_, ApiError>(found.unwrap_or_default())
        };
        let old = before.map(|v| read("before", v)).transpose()?;
        let new = match between.after {
            Some(version) => read("after", version)?,
            None => stretches(&loaded.facts.lines),
        };
        faults.check()?;
        Ok(web::Json(VersionsPage {
            before,
            after: between.after,
            changes: old.map(|old| compare(&old, &new)).unwrap_or_default(),
            versions: versions
                .into_iter()
                .map(|v| SignedVersion {
                    version: v.version,
                    on: v.signed_on,
                    by: v.by,
                })
                .collect(),
        }))
    })
    .await
}
