//! The load of an exercise for one body and set-up.

use super::cards::known_exercise;
use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::force::{
    LoadView, Setup, SolveFor, complete, elastic_levels, load_view, share_of_strength, solve,
};
use ritorno_core::permission::Action;
use ritorno_core::reason::Reason;
use ritorno_core::safety::resolved_path;
use ritorno_store::PgConnection;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, StoreError, elastic};
use serde::{Deserialize, Serialize};

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
                faults.bound(known, "solve.peak_nm", "peak_nm", wanted.peak_nm);
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
