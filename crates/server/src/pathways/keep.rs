//! Copying, checking, saving and retiring own pathways.

use super::page::{PathwayPage, page};
use crate::app::{App, AppState};
use crate::assess::NO_PATHWAY;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, put, web};
use ritorno_core::admission::NamedText;
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_store::pathway::OwnPathway;
use ritorno_store::{PgConnection, StoreError, UserId, daylist, knowledge, pathway};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

/// A copy to begin with.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct CopyOf {
    base: String,
    title: String,
}

/// A file to check or to save.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PathwayFile {
    /// The version it was read at; 0 for one that is brought in.
    version: i32,
    file: String,
}

/// An id from a title: letters and digits, joined by hyphens.
pub(super) fn name_of(title: &str) -> String {
    let plain: String = title
        .to_lowercase()
        .chars()
        .map(|c| if c.is_ascii_alphanumeric() { c } else { '-' })
        .collect();
    let parts: Vec<&str> = plain.split('-').filter(|p| !p.is_empty()).collect();
    format!("own-{}", parts.join("-"))
        .chars()
        .take(60)
        .collect()
}

#[utoipa::path(tag = "clinic", request_body = CopyOf, responses((status = 200, body = PathwayPage), (status = "default", body = Problem)))]
#[post("/pathways")]
pub(crate) async fn copy_pathway(
    app: App,
    req: HttpRequest,
    form: Form<CopyOf>,
) -> Result<web::Json<PathwayPage>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepDefaults,
        "copy-pathway",
        move |state, conn, user| {
            let known = state.current(conn)?;
            let name = name_of(&form.title);
            let mut faults = Faults::default();
            faults.text("title", &form.title, 80, true);
            let copy = known.pathway_file(&form.base, Some((&name, form.title.trim())));
            // A request whose answer was lost is sent once more.
            if copy.is_some() && known.pathway_file(&name, None) == copy {
                return Ok(web::Json(page(
                    conn,
                    &known,
                    &name,
                    copy.unwrap_or_default(),
                    Vec::new(),
                )?));
            }
            if name == "own-" {
                faults.push("title", "empty", &[]);
            } else if known.pathways.contains_key(&name) {
                faults.push(
                    "title",
                    "taken",
                    &[("given", Value::Text(form.title.trim()))],
                );
            }
            faults.known(
                "base",
                &form.base,
                known
                    .pathways
                    .get(&form.base)
                    .is_some_and(|p| !p.phases.is_empty()),
            );
            faults.check()?;
            let file = copy.ok_or(NO_PATHWAY)?;
            let next = checked(&known, &name, &file)?;
            keep(state, conn, &next, &name, &file, 1, "in_force", user.id)?;
            Ok(web::Json(page(conn, &next, &name, file, Vec::new())?))
        },
    )
    .await
}

/// The knowledge with the file laid in, or a problem that names row and field of each fault.
pub(super) fn checked(known: &Knowledge, name: &str, file: &str) -> Result<Knowledge, ApiError> {
    let texts = [NamedText {
        name: format!("pathways/{name}.toml"),
        text: file.to_owned(),
    }];
    known.with_files(&texts).map_err(|found| {
        let mut faults = Faults::default();
        for fault in found.iter().take(40) {
            faults.push(
                &format!("file.{}.{}", fault.row, fault.field),
                "knowledge",
                &[("problem", Value::Text(&fault.problem))],
            );
        }
        match faults.check() {
            Err(error) => error,
            Ok(()) => ApiError::from(StoreError::Unreadable("pathway")),
        }
    })
}

#[allow(clippy::too_many_arguments)]
pub(super) fn keep(
    state: &AppState,
    conn: &mut PgConnection,
    known: &Knowledge,
    name: &str,
    file: &str,
    version: i32,
    what: &str,
    by: UserId,
) -> Result<(), ApiError> {
    let p = known.pathways.get(name).ok_or(NO_PATHWAY)?;
    let row = OwnPathway {
        id: Uuid::now_v7(),
        name: name.to_owned(),
        version,
        title: p.title.clone().unwrap_or_else(|| name.to_owned()),
        base: p.column().to_owned(),
        state: what.to_owned(),
        body: file.to_owned(),
        made_on: state.today.date(),
    };
    pathway::add(conn, &row, by)?;
    daylist::all_change(conn, state.today.date())?;
    knowledge::keep(conn, &known.sha256, &known.canonical)?;
    Ok(())
}

/// The id a file gives itself, where it can be read so far.
pub(super) fn id_in(file: &str) -> Option<String> {
    file.lines().find_map(|line| {
        line.trim()
            .strip_prefix("id")?
            .trim()
            .strip_prefix('=')
            .map(|v| v.trim().trim_matches('"').to_owned())
    })
}

#[utoipa::path(tag = "clinic", request_body = PathwayFile, responses((status = 200, body = PathwayPage), (status = "default", body = Problem)))]
#[post("/pathways/{id}/check")]
pub(crate) async fn check_pathway(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
    form: Form<PathwayFile>,
) -> Result<web::Json<PathwayPage>, ApiError> {
    let form = form.into_inner();
    app.read(&req, Action::KeepDefaults, move |state, conn, _| {
        let known = state.current(conn)?;
        let texts = [NamedText {
            name: format!("pathways/{id}.toml"),
            text: form.file.clone(),
        }];
        match known.with_files(&texts) {
            Ok(next) => Ok(web::Json(page(conn, &next, &id, form.file, Vec::new())?)),
            // The page goes on showing what stood before, beside the faults of what was typed.
            Err(faults) => Ok(web::Json(page(conn, &known, &id, form.file, faults)?)),
        }
    })
    .await
}

#[utoipa::path(tag = "clinic", request_body = PathwayFile, responses((status = 200, body = PathwayPage), (status = "default", body = Problem)))]
#[put("/pathways/{id}")]
pub(crate) async fn save_pathway(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
    form: Form<PathwayFile>,
) -> Result<web::Json<PathwayPage>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepDefaults,
        "save-pathway",
        move |state, conn, user| {
            let known = state.current(conn)?;
            let mut faults = Faults::default();
            if !id.starts_with("own-") || id_in(&form.file).as_deref() != Some(id.as_str()) {
                faults.push(
                    "file",
                    "own-id",
                    &[(
                        "given",
                        Value::Text(id_in(&form.file).as_deref().unwrap_or("")),
                    )],
                );
            }
            faults.check()?;
            let next = checked(&known, &id, &form.file)?;
            keep(
                state,
                conn,
                &next,
                &id,
                &form.file,
                form.version.saturating_add(1),
                "in_force",
                user.id,
            )?;
            Ok(web::Json(page(conn, &next, &id, form.file, Vec::new())?))
        },
    )
    .await
}

#[utoipa::path(tag = "clinic", responses((status = 200, body = PathwayPage), (status = "default", body = Problem)))]
#[post("/pathways/{id}/retire")]
pub(crate) async fn retire_pathway(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
) -> Result<web::Json<PathwayPage>, ApiError> {
    app.write(
        &req,
        Action::KeepDefaults,
        "retire-pathway",
        move |state, conn, user| {
            let known = state.current(conn)?;
            let newest = pathway::newest(conn)?
                .into_iter()
                .find(|p| p.name == *id)
                .ok_or(NO_PATHWAY)?;
            // Retiring and bringing back are the same step in two directions.
            let what = if newest.state == "retired" {
                "in_force"
            } else {
                "retired"
            };
            keep(
                state,
                conn,
                &known,
                &id,
                &newest.body,
                newest.version + 1,
                what,
                user.id,
            )?;
            Ok(web::Json(page(conn, &known, &id, newest.body, Vec::new())?))
        },
    )
    .await
}
