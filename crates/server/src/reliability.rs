//! The reliability bench: raters' repeated measurements of the same people, and what a change must exceed.

use crate::app::App;
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, web};
use ritorno_core::facts::ClinicError;
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_core::ranges::default_detectable;
use ritorno_core::ranges::{Reliability, ReliabilityError, reliability};
use ritorno_store::reliability as kept;
use ritorno_wording::Value;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Ratings to judge: a row a person, a column a rater.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Ratings {
    ratings: Vec<Vec<f64>>,
}

/// Ratings whose error the clinic will use from now on.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct RatingsToKeep {
    id: Uuid,
    quantity: String,
    ratings: Vec<Vec<f64>>,
}

/// The bench as it stands.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Bench {
    /// Quantities in degrees, with the default error of one measurement.
    quantities: Vec<BenchQuantity>,
    /// The clinic's own, newest of each quantity.
    own: Vec<ClinicError>,
}

/// A quantity the bench can judge.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct BenchQuantity {
    id: String,
    /// Smallest detectable change by default, same rater.
    detectable_same: f64,
    /// The same between raters.
    detectable_any: f64,
    min: f64,
    max: f64,
}

fn judge(known: &Knowledge, ratings: &[Vec<f64>]) -> Result<Reliability, ApiError> {
    reliability(ratings, known.agreement_bands()).map_err(|error| {
        let mut faults = Faults::default();
        let (field, code) = match &error {
            ReliabilityError::TooFew { .. } => ("ratings".to_owned(), "bench-too-few"),
            ReliabilityError::Ragged { row, .. } => (format!("ratings[{row}]"), "bench-ragged"),
            ReliabilityError::NotANumber { row, rater } => {
                (format!("ratings[{row}][{rater}]"), "bench-number")
            }
            ReliabilityError::NoSpread => ("ratings".to_owned(), "bench-no-spread"),
        };
        faults.push(&field, code, &[("detail", Value::Text(&error.to_string()))]);
        ApiError::invalid(faults.into_fields())
    })
}

#[utoipa::path(tag = "clinic", responses((status = 200, body = Bench), (status = "default", body = Problem)))]
#[get("/reliability")]
pub(crate) async fn show_bench(app: App, req: HttpRequest) -> Result<web::Json<Bench>, ApiError> {
    app.read(&req, Action::ReadRecord, |state, conn, _| {
        let degrees = state
            .knowledge
            .quantities
            .iter()
            .filter(|q| q.unit == ritorno_core::knowledge::Unit::Deg);
        let quantities = degrees
            .map(|q| BenchQuantity {
                id: q.id.clone(),
                detectable_same: default_detectable(&state.knowledge, &q.id, true),
                detectable_any: default_detectable(&state.knowledge, &q.id, false),
                min: q.min,
                max: q.max,
            })
            .collect();
        Ok(web::Json(Bench {
            quantities,
            own: kept::newest(conn)?,
        }))
    })
    .await
}

#[utoipa::path(tag = "clinic", request_body = Ratings, responses((status = 200, body = Reliability), (status = "default", body = Problem)))]
#[post("/reliability/judge")]
pub(crate) async fn judge_ratings(
    app: App,
    req: HttpRequest,
    form: Form<Ratings>,
) -> Result<web::Json<Reliability>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, _, _| {
        Ok(web::Json(judge(&state.knowledge, &form.ratings)?))
    })
    .await
}

#[utoipa::path(tag = "clinic", request_body = RatingsToKeep, responses((status = 200, body = Reliability), (status = "default", body = Problem)))]
#[post("/reliability")]
pub(crate) async fn keep_bench(
    app: App,
    req: HttpRequest,
    form: Form<RatingsToKeep>,
) -> Result<web::Json<Reliability>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepDefaults,
        "keep-clinic-error",
        move |state, conn, user| {
            let mut faults = Faults::default();
            let quantity = state.knowledge.quantity(&form.quantity);
            faults.known("quantity", &form.quantity, quantity.is_some());
            if let Some(q) = quantity {
                for (i, row) in form.ratings.iter().enumerate() {
                    for (j, value) in row.iter().enumerate() {
                        faults.within(&format!("ratings[{i}][{j}]"), *value, q.min, q.max);
                    }
                }
            }
            faults.check()?;
            let result = judge(&state.knowledge, &form.ratings)?;
            let error = ClinicError {
                quantity: form.quantity.clone(),
                sem: result.sem,
                sem_same_rater: result.sem_same_rater,
                on: state.today.date(),
            };
            let json = |value: serde_json::Result<serde_json::Value>| {
                value.map_err(|_| ritorno_store::StoreError::Unreadable("ratings"))
            };
            kept::keep(
                conn,
                form.id,
                &error,
                json(serde_json::to_value(&form.ratings))?,
                json(serde_json::to_value(&result))?,
                user.id,
            )?;
            ritorno_store::daylist::all_change(conn, state.today.date())?;
            Ok(web::Json(result))
        },
    )
    .await
}
