//! The clinic's levels of elastic.

use crate::app::App;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::Calibration;
use ritorno_core::force::{ElasticLevel, elastic_levels};
use ritorno_core::mechanics::{PullPoint, check_points};
use ritorno_core::permission::Action;
use ritorno_store::{daylist, elastic};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

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
            faults.bound(
                &state.knowledge,
                "level",
                "elastic_level",
                f64::from(form.level),
            );
            faults.text("label", &form.label, 40, false);
            faults.date("on", form.on, state.today.date());
            if form.simulated && !state.demo {
                faults.push("simulated", "not-in-demo", &[]);
            }
            faults.within("points", form.points.len() as f64, 4.0, 60.0);
            for (i, point) in form.points.iter().enumerate() {
                for (name, row, value) in [
                    ("elongation_pct", "elongation_pct", point.elongation_pct),
                    ("force_n", "point_n", point.force_n),
                ] {
                    faults.bound(&state.knowledge, &format!("points[{i}].{name}"), row, value);
                }
            }
            if let Err(bad) = check_points(&form.points) {
                use ritorno_core::mechanics::CalibrationError as E;
                let (place, text) = match bad {
                    // Told above, each at its own field.
                    E::Elongation { .. } | E::Tension { .. } => {
                        return Err(ApiError::invalid(faults.into_fields()));
                    }
                    E::OutOfOrder { point, .. } | E::Weaker { point, .. } => {
                        (format!("points.{point}"), bad.to_string())
                    }
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
