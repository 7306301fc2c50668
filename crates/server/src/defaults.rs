//! What the clinic sets for itself: what a new story begins with.

use crate::app::{App, AppState};
use crate::choices::{Question, questions_among};
use crate::form::Form;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, put, web};
use ritorno_core::facts::{ClinicDefaults, EVERY_PATHWAY, schools_under};
use ritorno_core::knowledge::Knowledge;
use ritorno_core::permission::Action;
use ritorno_store::{PgConnection, defaults};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// A piece of kit, and how much hangs on it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct KitRow {
    id: String,
    /// Exercises that need it.
    exercises: usize,
}

/// The clinic's defaults, and what may be chosen.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct DefaultsPage {
    /// 0 until somebody has set something.
    rev: i32,
    defaults: ClinicDefaults,
    kit: Vec<KitRow>,
    /// Questions on which practitioners disagree: by pathway, or `every`.
    questions: BTreeMap<String, Vec<Question>>,
}

/// Defaults to keep, and the version they were read at.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct DefaultsEdit {
    rev: i32,
    defaults: ClinicDefaults,
}

/// Every piece of kit that some exercise needs, with how many do.
fn kit_of(known: &Knowledge) -> BTreeMap<&str, usize> {
    let mut all = BTreeMap::new();
    for item in known.exercises.values().flat_map(|e| &e.kit) {
        *all.entry(item.as_str()).or_default() += 1;
    }
    all
}

fn page(state: &AppState, conn: &mut PgConnection) -> Result<web::Json<DefaultsPage>, ApiError> {
    let (rev, defaults) = defaults::newest(conn)?;
    let known = &state.knowledge;
    let kit = kit_of(known)
        .into_iter()
        .map(|(id, exercises)| KitRow {
            id: id.to_owned(),
            exercises,
        })
        .collect();
    let keys = known
        .pathways
        .keys()
        .map(String::as_str)
        .chain([EVERY_PATHWAY]);
    let questions = keys
        .map(|key| {
            let of = (key != EVERY_PATHWAY).then_some(key);
            let asked = questions_among(schools_under(known, key), of);
            (key.to_owned(), asked)
        })
        .filter(|(_, asked)| !asked.is_empty())
        .collect();
    Ok(web::Json(DefaultsPage {
        rev,
        defaults,
        kit,
        questions,
    }))
}

#[utoipa::path(tag = "library", responses((status = 200, body = DefaultsPage), (status = "default", body = Problem)))]
#[get("/defaults")]
pub(crate) async fn show_defaults(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<DefaultsPage>, ApiError> {
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        page(state, conn)
    })
    .await
}

#[utoipa::path(tag = "library", request_body = DefaultsEdit, responses((status = 200, body = DefaultsPage), (status = "default", body = Problem)))]
#[put("/defaults")]
pub(crate) async fn keep_defaults(
    app: App,
    req: HttpRequest,
    form: Form<DefaultsEdit>,
) -> Result<web::Json<DefaultsPage>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepDefaults,
        "keep-defaults",
        move |state, conn, user| {
            let mut faults = Faults::default();
            check(&state.knowledge, &form.defaults, &mut faults);
            faults.check()?;
            defaults::keep(conn, form.rev, &form.defaults, user.id)?;
            page(state, conn)
        },
    )
    .await
}

fn check(known: &Knowledge, set: &ClinicDefaults, faults: &mut Faults) {
    faults.text("defaults.clinic_name", &set.clinic_name, 80, false);
    faults.text("defaults.telephone", &set.telephone, 40, false);
    faults.text("defaults.hours", &set.hours, 120, false);
    // A morning, an afternoon and an evening a day.
    faults.within("defaults.opening", set.opening.len() as f64, 0.0, 21.0);
    for row in set.opening.iter().take(21) {
        faults.within("defaults.opening.weekday", f64::from(row.weekday), 1.0, 7.0);
        if row.until <= row.from {
            faults.push("defaults.opening.until", "ends-before", &[]);
        }
    }
    if let Some(minutes) = set.minutes_per_day {
        faults.bound(
            known,
            "defaults.minutes_per_day",
            "minutes_per_day",
            f64::from(minutes),
        );
    }
    faults.bound(
        known,
        "defaults.appointment_minutes",
        "appointment_minutes",
        f64::from(set.appointment_minutes),
    );
    let kit = kit_of(known);
    for (field, items) in [("defaults.kit", &set.kit), ("defaults.lent", &set.lent)] {
        for item in items {
            faults.known(field, item, kit.contains_key(item.as_str()));
        }
    }
    for (key, chosen) in &set.schools {
        let schools = schools_under(known, key);
        for (question, school) in chosen {
            let stands = schools
                .iter()
                .any(|s| &s.question == question && &s.id == school);
            faults.known(
                &format!("defaults.schools.{key}.{question}"),
                school,
                stands,
            );
        }
    }
}
