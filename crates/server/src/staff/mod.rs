//! Who may come in: people, what they may do, where they are signed in, and the rules about access.

pub(crate) mod links;
pub(crate) mod trail;

use crate::app::{App, AppState};
use crate::form::Form;
use crate::problem::{ApiError, FieldFault, Problem};
use crate::session::own::SessionList;
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, put, web};
use chrono::{DateTime, Utc};
pub use links::first_link;
use links::{Link, new_link};
use ritorno_core::permission::{AccessRules, Action, IDLE_MINUTES, Role};
use ritorno_store::user::{Account, User};
use ritorno_store::{
    PgConnection, StoreError, UserId, access, invitation, second_factor, session, user,
};
use serde::{Deserialize, Serialize};
use std::collections::{BTreeMap, BTreeSet};
use uuid::Uuid;

/// Characters a login or a name may have (our choice).
const MOST: usize = 100;

/// How somebody's access stands.
#[derive(Serialize, utoipa::ToSchema)]
#[serde(rename_all = "kebab-case")]
pub(crate) enum Standing {
    /// Comes in.
    Active,
    /// Has a link and no password yet.
    Invited,
    /// Has neither a password nor a link that works.
    NoWay,
    /// No longer comes in.
    Ended,
}

/// Somebody as a lead sees them.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StaffRow {
    #[schema(value_type = Uuid)]
    id: UserId,
    login: String,
    name: String,
    role: Role,
    standing: Standing,
    /// Until when a link to a password works.
    link_until: Option<DateTime<Utc>>,
    /// Whether their password was made for them, and must be changed.
    must_change: bool,
    second_factor: bool,
    /// When they were last here, within the ninety days for which that is known.
    seen: Option<DateTime<Utc>>,
}

/// Everybody, and the rules about access.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StaffPage {
    people: Vec<StaffRow>,
    /// 0 until somebody has set something.
    rev: i32,
    rules: AccessRules,
}

/// Somebody to invite.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct NewPerson {
    /// Made where it was entered.
    #[schema(value_type = Uuid)]
    id: UserId,
    login: String,
    name: String,
    role: Role,
}

/// What somebody is called and may do.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PersonEdit {
    name: String,
    role: Role,
}

/// Rules to keep, and the version they were read at.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct AccessEdit {
    rev: i32,
    rules: AccessRules,
}

fn page(conn: &mut PgConnection) -> Result<web::Json<StaffPage>, ApiError> {
    let links: BTreeMap<UserId, DateTime<Utc>> = invitation::waiting(conn)?
        .into_iter()
        .filter_map(|link| Some((link.user_id?, link.expires_at)))
        .collect();
    let factors: BTreeSet<UserId> = second_factor::holders(conn)?.into_iter().collect();
    let row = |account: Account| {
        let Account { user, .. } = account;
        let link_until = links.get(&user.id).copied();
        StaffRow {
            standing: match (user.ended_at, account.has_password, link_until) {
                (Some(_), _, _) => Standing::Ended,
                (None, true, _) => Standing::Active,
                (None, false, Some(_)) => Standing::Invited,
                (None, false, None) => Standing::NoWay,
            },
            second_factor: factors.contains(&user.id),
            must_change: account.must_change,
            seen: account.seen_at,
            link_until,
            id: user.id,
            login: user.login,
            name: user.name,
            role: user.role,
        }
    };
    let (rev, rules) = access::newest(conn)?;
    Ok(web::Json(StaffPage {
        people: user::accounts(conn)?.into_iter().map(row).collect(),
        rev,
        rules,
    }))
}

#[utoipa::path(tag = "staff", responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[get("/staff")]
pub(crate) async fn show_staff(
    app: App,
    req: HttpRequest,
) -> Result<web::Json<StaffPage>, ApiError> {
    app.read(&req, Action::KeepPeople, |_, conn, _| page(conn))
        .await
}

/// What a login, a name and a role may be.
pub(crate) fn check_person(faults: &mut Faults, login: &str, name: &str, role: Role) {
    let plain = |c: char| c.is_ascii_lowercase() || c.is_ascii_digit() || "-._".contains(c);
    faults.text("login", login, MOST, true);
    if !login.chars().all(plain) {
        faults.push("login", "login-letters", &[]);
    }
    check_name(faults, name, role);
}

/// A patient's link is made elsewhere.
fn check_name(faults: &mut Faults, name: &str, role: Role) {
    faults.text("name", name, MOST, true);
    if name.chars().any(char::is_control) {
        faults.push("name", "control", &[]);
    }
    faults.known("role", "patient_link", role != Role::PatientLink);
}

/// What cannot be right about somebody new: fields, and what they may be. The console asks too.
pub fn person_faults(login: &str, name: &str, role: Role) -> Vec<FieldFault> {
    let mut faults = Faults::default();
    check_person(&mut faults, login, name, role);
    faults.check().err().map_or_else(Vec::new, |e| e.0.fields)
}

/// Changes something about somebody who is there, and shows everybody anew.
///
/// # Errors
/// 404 when there is nobody of that id, else whatever `work` answers.
async fn about(
    app: &App,
    req: &HttpRequest,
    id: UserId,
    name: &'static str,
    work: impl FnOnce(&mut PgConnection) -> Result<(), ApiError> + Send + 'static,
) -> Result<web::Json<StaffPage>, ApiError> {
    app.write(req, Action::KeepPeople, name, move |_, conn, _| {
        user::get(conn, id)?;
        work(conn)?;
        page(conn)
    })
    .await
}

#[utoipa::path(tag = "staff", request_body = NewPerson, responses((status = 200, body = Link), (status = "default", body = Problem)))]
#[post("/staff")]
pub(crate) async fn invite(
    app: App,
    req: HttpRequest,
    form: Form<NewPerson>,
) -> Result<web::Json<Link>, ApiError> {
    let form = form.into_inner();
    app.write(&req, Action::KeepPeople, "invite", move |_, conn, by| {
        let mut faults = Faults::default();
        check_person(&mut faults, &form.login, &form.name, form.role);
        let there = user::by_login(conn, &form.login)?.map(|(user, _)| user);
        let same = there.as_ref().is_some_and(|user| user.id == form.id);
        if there.is_some() && !same {
            faults.push("login", "login-taken", &[]);
        }
        faults.check()?;
        if !same {
            let person = User {
                id: form.id,
                login: form.login,
                name: form.name.trim().to_owned(),
                role: form.role,
                ended_at: None,
            };
            user::insert(conn, &person, "")?;
        }
        new_link(conn, form.id, by.id).map(web::Json)
    })
    .await
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), request_body = PersonEdit, responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[put("/staff/{id}")]
pub(crate) async fn edit_person(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
    form: Form<PersonEdit>,
) -> Result<web::Json<StaffPage>, ApiError> {
    let (id, form) = (id.into_inner(), form.into_inner());
    about(&app, &req, id, "edit-person", move |conn| {
        let mut faults = Faults::default();
        check_name(&mut faults, &form.name, form.role);
        faults.check()?;
        if form.role != Role::Lead {
            another_lead_stays(conn, id)?;
        }
        Ok(user::set(conn, id, form.name.trim(), form.role)?)
    })
    .await
}

/// A clinic always has somebody who can let others in.
///
/// # Errors
/// `last-lead`.
fn another_lead_stays(conn: &mut PgConnection, without: UserId) -> Result<(), ApiError> {
    let leads = |user: &User| user.role == Role::Lead && user.ended_at.is_none();
    let all = user::hold_all(conn)?;
    let was = all.iter().any(|user| user.id == without && leads(user));
    if was && !all.iter().any(|user| user.id != without && leads(user)) {
        let mut faults = Faults::default();
        faults.push("role", "last-lead", &[]);
        faults.check()?;
    }
    Ok(())
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[post("/staff/{id}/end")]
pub(crate) async fn end_person(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
) -> Result<web::Json<StaffPage>, ApiError> {
    let id = id.into_inner();
    about(&app, &req, id, "end-access", move |conn| {
        another_lead_stays(conn, id)?;
        Ok(end_access(conn, id)?)
    })
    .await
}

/// Ends somebody's access at once, wherever they are signed in. What they wrote and signed stays theirs.
///
/// # Errors
/// Database failure.
pub fn end_access(conn: &mut PgConnection, id: UserId) -> Result<(), StoreError> {
    user::set_ended(conn, id, Some(Utc::now()))?;
    invitation::end_of(conn, Some(id))?;
    session::end_all(conn, id, None)?;
    Ok(())
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[post("/staff/{id}/again")]
pub(crate) async fn let_in_again(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
) -> Result<web::Json<StaffPage>, ApiError> {
    let id = id.into_inner();
    about(&app, &req, id, "let-in-again", move |conn| {
        Ok(user::set_ended(conn, id, None)?)
    })
    .await
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[post("/staff/{id}/second-factor/end")]
pub(crate) async fn end_factor_of(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
) -> Result<web::Json<StaffPage>, ApiError> {
    let id = id.into_inner();
    about(&app, &req, id, "end-second-factor", move |conn| {
        Ok(second_factor::end(conn, id)?)
    })
    .await
}

#[utoipa::path(tag = "staff", params(("id" = Uuid, Path)), responses((status = 200, body = SessionList), (status = "default", body = Problem)))]
#[get("/staff/{id}/sessions")]
pub(crate) async fn show_sessions_of(
    app: App,
    req: HttpRequest,
    id: web::Path<UserId>,
) -> Result<web::Json<SessionList>, ApiError> {
    app.read(&req, Action::KeepPeople, move |_, conn, _| {
        sessions_of(conn, *id)
    })
    .await
}

fn sessions_of(conn: &mut PgConnection, id: UserId) -> Result<web::Json<SessionList>, ApiError> {
    user::get(conn, id)?;
    let signed = session::all_of(conn, id)?;
    Ok(web::Json(SessionList::of(signed, None)))
}

#[utoipa::path(tag = "staff", responses((status = 200, body = SessionList), (status = "default", body = Problem)))]
#[post("/staff/{id}/sessions/{session}/end")]
pub(crate) async fn end_session_of(
    app: App,
    req: HttpRequest,
    of: web::Path<(Uuid, Uuid)>,
) -> Result<web::Json<SessionList>, ApiError> {
    let (id, one) = of.into_inner();
    app.write(
        &req,
        Action::KeepPeople,
        "end-session",
        move |_, conn, _| {
            let id = UserId(id);
            session::end(conn, id, one)?;
            sessions_of(conn, id)
        },
    )
    .await
}

#[utoipa::path(tag = "staff", request_body = AccessEdit, responses((status = 200, body = StaffPage), (status = "default", body = Problem)))]
#[put("/access-rules")]
pub(crate) async fn keep_access_rules(
    app: App,
    req: HttpRequest,
    form: Form<AccessEdit>,
) -> Result<web::Json<StaffPage>, ApiError> {
    let form = form.into_inner();
    app.write(
        &req,
        Action::KeepPeople,
        "keep-access-rules",
        move |_: &AppState, conn, by| {
            let mut faults = Faults::default();
            let (least, most) = IDLE_MINUTES;
            faults.within(
                "rules.idle_minutes",
                f64::from(form.rules.idle_minutes),
                f64::from(least),
                f64::from(most),
            );
            faults.check()?;
            access::keep(conn, form.rev, &form.rules, by.id)?;
            page(conn)
        },
    )
    .await
}
