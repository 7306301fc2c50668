//! The exercise library, the load bench, and the clinic's levels of elastic.

use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::form::Form;
use crate::problem::{ApiError, Problem, wording};
use crate::validate::Faults;
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use chrono::NaiveDate;
use ritorno_core::confidence::Confidence;
use ritorno_core::facts::Calibration;
use ritorno_core::force::{
    ElasticLevel, LoadView, Setup, SolveFor, complete, elastic_levels, load_table, load_view,
    share_of_strength, solve,
};
use ritorno_core::knowledge::{
    Activity, DemandClass, Dose, Exercise, Helper, Knowledge, Level, Purpose,
};
use ritorno_core::mechanics::{Arm, Attitude, Load, Person, PullPoint, Supply, check_points};
use ritorno_core::permission::Action;
use ritorno_core::reason::Reason;
use ritorno_core::safety::resolved_path;
use ritorno_figure::{FigureSpec, figure_svg, moving_figure_svg};
use ritorno_store::PgConnection;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, StoreError, daylist, elastic};
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

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

fn person(body: &Body) -> Result<Person, ApiError> {
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
                demand: DemandClass::of(&e.activity),
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

fn known_exercise<'a>(known: &'a Knowledge, id: &str) -> Result<&'a Exercise, ApiError> {
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

/// A set-up to compute, for nobody or for a patient.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct LoadForm {
    setup: Setup,
    /// The patient whose ceilings cut the path and whose strength the peak is compared with.
    #[schema(value_type = Option<Uuid>)]
    episode: Option<EpisodeId>,
    /// Solve for this before computing.
    solve: Option<Wanted>,
}

/// A wanted peak.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Wanted {
    what: SolveFor,
    peak_nm: f64,
}

/// What came of it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct LoadAnswer {
    view: LoadView,
    /// Share of the patient's own strength, percent.
    share_pct: Option<f64>,
    /// Why there is none.
    share_reason: Option<Reason>,
    /// Why the wanted peak cannot be reached; the view is then of the set-up as it was.
    unsolved: Option<Reason>,
}

#[utoipa::path(tag = "library", request_body = LoadForm, responses((status = 200, body = LoadAnswer), (status = "default", body = Problem)))]
#[post("/exercises/{exercise}/load")]
pub(crate) async fn exercise_load(
    app: App,
    req: HttpRequest,
    id: web::Path<String>,
    form: Form<LoadForm>,
) -> Result<web::Json<LoadAnswer>, ApiError> {
    let form = form.into_inner();
    let of = form.episode;
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let of = of.map(|id| Opened::read(state, conn, id)).transpose()?;
        Ok((of, elastic::all(conn)?))
    };
    app.view(
        &req,
        Action::ReadRecord,
        read,
        move |state, (of, measured)| {
            // Whoever is on a program is weighed by what was known when it was built.
            let known = &*of
                .as_ref()
                .map_or(&state.knowledge, |opened| &opened.known)
                .clone();
            let exercise = known_exercise(known, &id)?;
            let mut faults = Faults::default();
            let setup = complete(exercise, form.setup).unwrap_or_else(|bad| {
                bad.iter().for_each(|f| {
                    faults.within(&format!("setup.{}", f.field), f.given, f.min, f.max)
                });
                form.setup
            });
            if let Some(wanted) = &form.solve {
                faults.within("solve.peak_nm", wanted.peak_nm, 0.1, 500.0);
            }
            faults.check()?;
            let levels = elastic_levels(known, &measured, state.today.date());
            let assessment = of.as_ref().map(Opened::assess).transpose()?;
            let path = match &assessment {
                Some(a) => resolved_path(&a.ctx(), exercise, a.facts.day()),
                None => exercise.path(),
            };
            let (setup, unsolved) = match &form.solve {
                Some(wanted) => match solve(
                    known,
                    exercise,
                    &path,
                    setup,
                    &levels,
                    wanted.what,
                    wanted.peak_nm,
                ) {
                    Ok(found) => (found, None),
                    Err(reason) => (setup, Some(reason)),
                },
                None => (setup, None),
            };
            let view = load_view(known, exercise, &path, setup, &levels)
                .ok_or(StoreError::NotFound("segment table"))?;
            let share = assessment
                .as_ref()
                .map(|a| share_of_strength(&a.ctx(), a.facts, exercise, &path, &view.curve));
            let (share_pct, share_reason) = match share {
                Some(Ok(percent)) => (Some(percent), None),
                Some(Err(reason)) => (None, Some(reason)),
                None => (None, None),
            };
            Ok(web::Json(LoadAnswer {
                view,
                share_pct,
                share_reason,
                unsolved,
            }))
        },
    )
    .await
}

#[utoipa::path(tag = "library", responses((status = 200, body = Vec<ElasticLevel>), (status = "default", body = Problem)))]
#[get("/elastics")]
pub(crate) async fn elastics(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<Vec<ElasticLevel>>, ApiError> {
    app.read(&req, Action::ReadRecord, |state, conn, _| {
        Ok(web::Json(elastic_levels(
            &state.knowledge,
            &elastic::all(conn)?,
            state.today.date(),
        )))
    })
    .await
}

/// Measured points of a level.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct CalibrationForm {
    id: Uuid,
    level: u32,
    #[serde(default)]
    label: String,
    points: Vec<PullPoint>,
    on: NaiveDate,
    /// Points came from the simulated gauge of a demo.
    #[serde(default)]
    simulated: bool,
}

#[utoipa::path(tag = "library", request_body = CalibrationForm, responses((status = 200, body = Vec<ElasticLevel>), (status = "default", body = Problem)))]
#[post("/elastics")]
pub(crate) async fn add_elastic(
    app: App,
    req: HttpRequest,
    form: Form<CalibrationForm>,
) -> Result<web::Json<Vec<ElasticLevel>>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepDefaults,
        "calibrate-elastic",
        move |state, conn, user| {
            let mut faults = Faults::default();
            faults.within("level", f64::from(form.level), 1.0, 6.0);
            faults.text("label", &form.label, 40, false);
            faults.date("on", form.on, state.today.date());
            if form.simulated && !state.demo {
                faults.push("simulated", "not-in-demo", &[]);
            }
            faults.within("points", form.points.len() as f64, 4.0, 60.0);
            if let Err(bad) = check_points(&form.points) {
                use ritorno_core::mechanics::CalibrationError as E;
                let (place, text) = match bad {
                    E::OutOfOrder { point, .. }
                    | E::Elongation { point, .. }
                    | E::Tension { point, .. }
                    | E::Weaker { point, .. } => (format!("points.{point}"), bad.to_string()),
                    _ => ("points".to_owned(), bad.to_string()),
                };
                faults.push(&place, "calibration", &[("detail", Value::Text(&text))]);
            }
            faults.check()?;
            elastic::add(
                conn,
                form.id,
                &Calibration {
                    level: form.level,
                    label: form.label,
                    points: form.points,
                    on: form.on,
                    simulated: form.simulated,
                },
                user.id,
            )?;
            daylist::all_change(conn, state.today.date())?;
            Ok(web::Json(elastic_levels(
                &state.knowledge,
                &elastic::all(conn)?,
                state.today.date(),
            )))
        },
    )
    .await
}
