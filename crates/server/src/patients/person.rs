//! Adding a person, and correcting a name or a birth date.

use super::episodes::begun;
use super::page::{PatientHead, head};
use crate::app::App;
use crate::choices::{check_beginning, check_story};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use crate::visit::take_on;
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, post, put, web};
use chrono::{Months, NaiveDate};
use ritorno_core::facts::Story;
use ritorno_core::permission::Action;
use ritorno_store::episode::Patient;
use ritorno_store::{EpisodeId, PatientId, PgConnection, defaults, episode};
use ritorno_wording::Value;
use serde::Deserialize;
use uuid::Uuid;

/// A new patient with a first operated shoulder.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPatient {
    #[schema(value_type = Uuid)]
    patient: PatientId,
    #[schema(value_type = Uuid)]
    episode: EpisodeId,
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    story: Story,
    /// Somebody of this name and birth date is known, and this is another person.
    #[serde(default)]
    another: bool,
    /// What was not asked begins as the clinic has set it: setting, kit, minutes, schools.
    #[serde(default)]
    with_defaults: bool,
}

/// A name or a birth date that was typed wrongly.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PatientEdit {
    given_name: String,
    family_name: String,
    birth: NaiveDate,
    /// Somebody of this name and birth date is known, and this is another person.
    #[serde(default)]
    another: bool,
}

#[utoipa::path(tag = "story", request_body = NewPatient, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[post("/patients")]
pub(crate) async fn add_patient(
    app: App,
    req: HttpRequest,
    form: Form<NewPatient>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let mut form = form.into_inner();
    app.write(
        &req,
        Action::EditStory,
        "add-patient",
        move |state, conn, user| {
            if form.with_defaults {
                let (_, set) = defaults::newest(conn)?;
                set.begin(&mut form.story);
                set.follow(&*state.current(conn)?, &mut form.story);
            }
            let mut faults = Faults::default();
            let today = state.today.date();
            check_person(
                &mut faults,
                (&form.given_name, &form.family_name),
                form.birth,
                today,
            );
            check_beginning(state, &form.story, form.birth, &mut faults);
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                form.birth,
                &mut faults,
            );
            faults.check()?;
            let patient = Patient {
                id: form.patient,
                given_name: form.given_name.trim().to_owned(),
                family_name: form.family_name.trim().to_owned(),
                birth: form.birth,
            };
            if begun(conn, &patient, form.episode, &form.story, today)? {
                return Ok(web::Json(head(conn, &patient, form.episode)?));
            }
            if !form.another {
                nobody_else(conn, &patient)?;
            }
            episode::insert(conn, &patient, form.episode, &form.story, today)?;
            take_on(conn, user, form.episode, today)?;
            refresh_lane(state, conn, form.episode)?;
            Ok(web::Json(head(conn, &patient, form.episode)?))
        },
    )
    .await
}

/// A name, and a birth date that somebody alive may have.
pub(super) fn check_person(
    faults: &mut Faults,
    (given, family): (&str, &str),
    birth: NaiveDate,
    today: NaiveDate,
) {
    faults.text("given_name", given, 80, true);
    faults.text("family_name", family, 80, true);
    faults.date("birth", birth, today);
    if birth
        .checked_add_months(Months::new(12 * 115))
        .is_some_and(|end| end < today)
    {
        faults.push("birth", "too-old", &[("years", Value::Number(115.0))]);
    }
}

/// Asks when somebody else of this name and birth date is known.
pub(super) fn nobody_else(conn: &mut PgConnection, patient: &Patient) -> Result<(), ApiError> {
    if episode::same_person(conn, patient)? {
        return Err(ApiError::new(StatusCode::CONFLICT, "same-person", &[]));
    }
    Ok(())
}

#[utoipa::path(tag = "story", request_body = PatientEdit, responses((status = 200, body = PatientHead), (status = "default", body = Problem)))]
#[put("/patients/{id}")]
pub(crate) async fn edit_patient(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<PatientEdit>,
) -> Result<web::Json<PatientHead>, ApiError> {
    let id = PatientId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "edit-patient",
        Of::Patient(id),
        move |state, conn, _| {
            let today = state.today.date();
            let mut faults = Faults::default();
            check_person(
                &mut faults,
                (&form.given_name, &form.family_name),
                form.birth,
                today,
            );
            faults.check()?;
            let patient = Patient {
                id,
                given_name: form.given_name.trim().to_owned(),
                family_name: form.family_name.trim().to_owned(),
                birth: form.birth,
            };
            if !form.another {
                nobody_else(conn, &patient)?;
            }
            episode::rename(conn, &patient, today)?;
            let newest = episode::newest_of(conn, id)?;
            refresh_lane(state, conn, newest)?;
            Ok(web::Json(head(conn, &patient, newest)?))
        },
    )
    .await
}
