//! The exercises and their figures.

use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::problem::{ApiError, Problem, wording};
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, get, web};
use ritorno_core::confidence::Confidence;
use ritorno_core::force::{elastic_levels, load_table};
use ritorno_core::knowledge::{
    Activity, DemandClass, Dose, Exercise, Helper, Knowledge, Level, Purpose,
};
use ritorno_core::mechanics::{Arm, Attitude, Load, Person, Supply};
use ritorno_core::permission::Action;
use ritorno_core::safety::resolved_path;
use ritorno_figure::{FigureSpec, figure_svg, moving_figure_svg};
use ritorno_store::PgConnection;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, StoreError, elastic};
use serde::{Deserialize, Serialize};

/// One exercise as the library shows it; its sentences stand in the catalogue.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ExerciseCard {
    id: String,
    ladder: String,
    rung: u32,
    next: Vec<String>,
    purpose: Purpose,
    attitude: Attitude,
    kit: Vec<String>,
    helper: Helper,
    /// The highest contraction level it asks of any group.
    level: Level,
    load: Load,
    gates: Vec<String>,
    faults: Vec<String>,
    beware: Vec<String>,
    activity: Vec<Activity>,
    demand: DemandClass,
    dose: Dose,
    source: String,
    confidence: Confidence,
    /// Peak with its starting dose for the body asked for, N·m.
    peak_nm: Option<f64>,
    main: Option<Supply>,
}

/// Whose arm.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Body {
    /// Body mass, kg; 75 without it.
    mass_kg: Option<f64>,
    /// Body height, m; 1.75 without it.
    height_m: Option<f64>,
}

pub(super) fn person(body: &Body) -> Result<Person, ApiError> {
    let person = Person {
        mass_kg: body.mass_kg.unwrap_or(Person::REFERENCE.mass_kg),
        height_m: body.height_m.unwrap_or(Person::REFERENCE.height_m),
    };
    person.checked().map_err(|bad| {
        let mut faults = Faults::default();
        faults.within(bad.field, bad.given, bad.min, bad.max);
        ApiError::invalid(faults.into_fields())
    })
}

#[utoipa::path(tag = "library", params(Body), responses((status = 200, body = Vec<ExerciseCard>), (status = "default", body = Problem)))]
#[get("/exercises")]
pub(crate) async fn exercises(
    app: App,
    req: HttpRequest,
    body: web::Query<Body>,
) -> Result<web::Json<Vec<ExerciseCard>>, ApiError> {
    let person = person(&body)?;
    let read = |state: &AppState, conn: &mut PgConnection, _: &User| {
        let measured = elastic::all(conn)?;
        Ok(elastic_levels(
            &state.knowledge,
            &measured,
            state.today.date(),
        ))
    };
    app.view(&req, Action::ReadRecord, read, move |state, levels| {
        let known = &state.knowledge;
        let loads = load_table(known, person, &levels);
        let cards = loads.into_iter().filter_map(|row| {
            let e = known.exercises.get(&row.exercise)?;
            Some(ExerciseCard {
                id: e.id.clone(),
                ladder: e.ladder.clone(),
                rung: e.rung,
                next: e.next.clone(),
                purpose: e.purpose,
                attitude: e.attitude,
                kit: e.kit.clone(),
                helper: e.helper,
                level: e
                    .demand
                    .iter()
                    .map(|d| d.level)
                    .max()
                    .unwrap_or(Level::None),
                load: e.load,
                gates: e.gates.clone(),
                faults: e.faults.clone(),
                beware: e.beware.clone(),
                activity: e.activity.clone(),
                demand: known.demand_class(e),
                dose: e.dose,
                source: known
                    .references
                    .get(&e.source)
                    .map_or_else(|| e.source.clone(), |r| r.citation.clone()),
                confidence: e.confidence,
                peak_nm: row.peak_nm,
                main: row.main,
            })
        });
        Ok(web::Json(cards.collect()))
    })
    .await
}

/// How a figure is wanted.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct HowDrawn {
    /// With a group for each step of the path.
    #[serde(default)]
    moving: bool,
    /// For whose side and ceilings.
    #[param(value_type = Option<Uuid>)]
    episode: Option<EpisodeId>,
}

pub(super) fn known_exercise<'a>(known: &'a Knowledge, id: &str) -> Result<&'a Exercise, ApiError> {
    Ok(known
        .exercises
        .get(id)
        .ok_or(StoreError::NotFound("exercise"))?)
}

#[utoipa::path(tag = "library", params(HowDrawn), responses((status = 200, body = String, content_type = "image/svg+xml"), (status = "default", body = Problem)))]
#[get("/exercises/{exercise}/figure")]
pub(crate) async fn exercise_figure(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
    how: web::Query<HowDrawn>,
) -> Result<HttpResponse, ApiError> {
    let episode = how.episode;
    let svg = app
        .view(
            &req,
            Action::ReadRecord,
            move |state, conn, _| {
                let of = episode.map(|id| Opened::read(state, conn, id));
                Ok(of.transpose()?)
            },
            move |state, of| {
                let exercise = known_exercise(&state.knowledge, &id)?;
                let title = wording().say(&format!("ex-{id}"), &[]);
                let (mut path, mut arm, mut limited) = (exercise.path(), Arm::Right, false);
                if let Some(opened) = of {
                    let (assessment, loaded) = (opened.assess()?, &opened.loaded);
                    let cut = resolved_path(&assessment.ctx(), exercise, loaded.facts.day());
                    limited = cut.keys.last() != path.keys.last();
                    (path, arm) = (cut, loaded.facts.story.side);
                }
                let spec = FigureSpec {
                    exercise,
                    path,
                    arm,
                    limited,
                    title: &title,
                };
                Ok(if how.moving {
                    moving_figure_svg(&spec)
                } else {
                    figure_svg(&spec)
                })
            },
        )
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("image/svg+xml")
        .insert_header(("Cache-Control", "private, max-age=300"))
        .body(svg))
}
