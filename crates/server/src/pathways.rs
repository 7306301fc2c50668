//! A clinic's own pathways: copied, edited with the same checks as the shipped ones, versioned, retired, taken out and brought in.

use crate::app::{App, AppState};
use crate::assess::NO_PATHWAY;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, put, web};
use chrono::NaiveDate;
use ritorno_core::admission::KnowledgeError;
use ritorno_core::admission::NamedText;
use ritorno_core::knowledge::{HealingClock, Knowledge, Pathway};
use ritorno_core::permission::Action;
use ritorno_core::rules::{Band, Choices, PhaseSpan, Rules, band_view, schedule};
use ritorno_store::pathway::OwnPathway;
use ritorno_store::{PgConnection, StoreError, UserId, daylist, knowledge, pathway};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A pathway in the list.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PathwayRow {
    id: String,
    /// What a clinic's own is called.
    title: Option<String>,
    /// The pathway it was copied from.
    base: Option<String>,
    clock: HealingClock,
    weeks: i32,
    phases: usize,
    exercises: usize,
    schools: usize,
    source: String,
    own: Option<OwnState>,
}

/// Where an own pathway stands.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct OwnState {
    version: i32,
    retired: bool,
    made_on: NaiveDate,
}

/// One fault of a pathway file.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct FileFault {
    row: String,
    field: String,
    problem: String,
}

/// One pathway, with what it comes to.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PathwayPage {
    row: PathwayRow,
    /// The file, as it would stand in the knowledge folder.
    file: String,
    /// What is wrong with it; such a file is not saved.
    faults: Vec<FileFault>,
    phases: Vec<PhaseSpan>,
    /// Ceilings and floors by quantity.
    corridors: Vec<CorridorBands>,
    /// What it tightens and what it loosens against the pathway it was copied from.
    against_base: Vec<AgainstBase>,
}

/// Ceilings and floors of a quantity.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct CorridorBands {
    quantity: String,
    bands: Vec<Band>,
}

/// One ceiling or gate that differs from the base.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct AgainstBase {
    /// `ceiling` or `phase`.
    kind: String,
    what: String,
    day: i32,
    base: Option<f64>,
    own: Option<f64>,
    looser: bool,
}

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

fn row(known: &Knowledge, p: &Pathway, own: &[OwnPathway]) -> PathwayRow {
    let _ = known;
    PathwayRow {
        id: p.id.clone(),
        title: p.title.clone(),
        base: p.based_on.clone(),
        clock: p.clock,
        weeks: p.weeks,
        phases: p.phases.len(),
        exercises: p.phases.iter().map(|f| f.exercises.len()).sum(),
        schools: p.schools.len(),
        source: p.source.clone(),
        own: own.iter().find(|o| o.name == p.id).map(|o| OwnState {
            version: o.version,
            retired: o.state == "retired",
            made_on: o.made_on,
        }),
    }
}

#[utoipa::path(tag = "clinic", responses((status = 200, body = Vec<PathwayRow>), (status = "default", body = Problem)))]
#[get("/pathways")]
pub(crate) async fn list_pathways(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<Vec<PathwayRow>>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let (known, own) = (state.current(conn)?, pathway::newest(conn)?);
        Ok(web::Json(
            known
                .pathways
                .values()
                .filter(|p| !p.phases.is_empty())
                .map(|p| row(&known, p, &own))
                .collect(),
        ))
    })
    .await
}

#[utoipa::path(tag = "clinic", responses((status = 200, body = PathwayPage), (status = "default", body = Problem)))]
#[get("/pathways/{id}")]
pub(crate) async fn show_pathway(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
) -> Result<web::Json<PathwayPage>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let known = state.current(conn)?;
        let file = known.pathway_file(&id, None).ok_or(NO_PATHWAY)?;
        Ok(web::Json(page(conn, &known, &id, file, Vec::new())?))
    })
    .await
}

fn page(
    conn: &mut PgConnection,
    known: &Knowledge,
    id: &str,
    file: String,
    faults: Vec<KnowledgeError>,
) -> Result<PathwayPage, ApiError> {
    let own = pathway::newest(conn)?;
    let p = known.pathways.get(id).ok_or(NO_PATHWAY)?;
    let rules = Rules::new(known, p, &Choices::default());
    let base = p
        .based_on
        .as_ref()
        .and_then(|b| known.pathways.get(b))
        .map(|b| Rules::new(known, b, &Choices::default()));
    let today = chrono::NaiveDate::MIN;
    let facts = ritorno_core::facts::Facts::new(
        today,
        today,
        ritorno_core::facts::Story::begun(
            &p.id,
            ritorno_core::mechanics::Arm::Right,
            today,
            ritorno_core::facts::Start::Surgery,
        ),
    );
    Ok(PathwayPage {
        row: row(known, p, &own),
        file,
        faults: faults
            .into_iter()
            .map(|f| FileFault {
                row: f.row,
                field: f.field,
                problem: f.problem,
            })
            .collect(),
        phases: schedule(&rules, &facts),
        corridors: rules
            .corridors
            .iter()
            .map(|c| CorridorBands {
                quantity: c.id.clone(),
                bands: band_view(&rules, &[], &c.id, 0),
            })
            .collect(),
        against_base: base.map(|b| against_base(&b, &rules)).unwrap_or_default(),
    })
}

/// What differs from the base, told once where it begins to differ.
fn against_base(base: &Rules, own: &Rules) -> Vec<AgainstBase> {
    let mut out = Vec::new();
    for phase in &own.phases {
        if let Some(was) = base
            .phases
            .iter()
            .find(|p| p.id == phase.id)
            .filter(|p| p.earliest_day != phase.earliest_day)
        {
            out.push(AgainstBase {
                kind: "phase".to_owned(),
                what: phase.id.clone(),
                day: phase.earliest_day,
                base: Some(f64::from(was.earliest_day)),
                own: Some(f64::from(phase.earliest_day)),
                looser: phase.earliest_day < was.earliest_day,
            });
        }
    }
    let value = |rules: &Rules, quantity: &str, day| {
        let on = ritorno_core::rules::ceiling_on(rules, &[], quantity, day, day).ceiling;
        match on {
            ritorno_core::rules::Ceiling::NoneAllowed => Some(-999.0),
            other => other.value(),
        }
    };
    let quantities: std::collections::BTreeSet<&str> = base
        .corridors
        .iter()
        .chain(&own.corridors)
        .map(|c| c.id.as_str())
        .collect();
    for quantity in quantities {
        let mut last = None;
        for day in (0..base.end_day.max(own.end_day)).step_by(7) {
            let pair = (value(base, quantity, day), value(own, quantity, day));
            if pair.0 != pair.1 && last != Some(pair) {
                let looser = match pair {
                    (Some(_), None) => true,
                    (Some(a), Some(b)) => b > a,
                    (None, _) => false,
                };
                let shown = |v: Option<f64>| v.map(|v| v.max(0.0));
                out.push(AgainstBase {
                    kind: "ceiling".to_owned(),
                    what: quantity.to_owned(),
                    day,
                    base: shown(pair.0),
                    own: shown(pair.1),
                    looser,
                });
            }
            last = Some(pair);
        }
    }
    out
}

/// An id from a title: letters and digits, joined by hyphens.
fn name_of(title: &str) -> String {
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
            let file = known
                .pathway_file(&form.base, Some((&name, form.title.trim())))
                .ok_or(NO_PATHWAY)?;
            let next = checked(&known, &name, &file)?;
            keep(state, conn, &next, &name, &file, 1, "in_force", user.id)?;
            Ok(web::Json(page(conn, &next, &name, file, Vec::new())?))
        },
    )
    .await
}

/// The knowledge with the file laid in, or a problem that names row and field of each fault.
fn checked(known: &Knowledge, name: &str, file: &str) -> Result<Knowledge, ApiError> {
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
fn keep(
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
fn id_in(file: &str) -> Option<String> {
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
                form.version + 1,
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
