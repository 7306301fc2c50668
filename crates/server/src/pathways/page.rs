//! The list, one pathway, and how an own one differs from the one it was copied from.

use crate::app::App;
use crate::assess::NO_PATHWAY;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::admission::KnowledgeError;
use ritorno_core::knowledge::{HealingClock, Knowledge, Pathway};
use ritorno_core::permission::Action;
use ritorno_core::rules::{Band, Choices, PhaseSpan, Rules, band_view, schedule};
use ritorno_store::pathway::OwnPathway;
use ritorno_store::{PgConnection, pathway};
use serde::Serialize;

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

pub(super) fn row(known: &Knowledge, p: &Pathway, own: &[OwnPathway]) -> PathwayRow {
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

pub(super) fn page(
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
pub(super) fn against_base(base: &Rules, own: &Rules) -> Vec<AgainstBase> {
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
