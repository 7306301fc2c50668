//! People who sign in, from the console: `ritorno user list`, `add LOGIN ROLE NAME`, `reset LOGIN`, `end LOGIN`.

use crate::Failure;
use ritorno_core::permission::Role;
use ritorno_server::{AppState, end_access, hash_password, new_letters, new_user, person_faults};
use ritorno_store::user::User;
use ritorno_store::{Actor, PgConnection, invitation, second_factor, session, user, write};
use serde_json::json;

/// Letters a generated password has: a hundred bits.
const LONG: usize = 20;

/// Does what is asked; answers with what there is to say.
///
/// # Errors
/// Names the part that cannot be taken, and says that nothing was written.
pub fn user(state: &AppState, args: &[String]) -> Result<String, Failure> {
    match args {
        [what] if what == "list" => list(state),
        [what, login, role, name @ ..] if what == "add" && !name.is_empty() => {
            add(state, login, role, &name.join(" "))
        }
        [what, login] if what == "reset" => reset(state, login),
        [what, login] if what == "end" => end(state, login),
        _ => Err(
            "say: user list, user add LOGIN ROLE NAME, user reset LOGIN, or user end LOGIN".into(),
        ),
    }
}

fn list(state: &AppState) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    let people = user::all(&mut conn)?;
    if people.is_empty() {
        return Ok("Nobody signs in yet.".to_owned());
    }
    let lines = people.iter().map(|p| {
        let ended = p.ended_at.map_or("", |_| "\tended");
        format!("{}\t{}\t{}{ended}", p.login, word(p.role), p.name)
    });
    Ok(lines.collect::<Vec<_>>().join("\n"))
}

fn add(state: &AppState, login: &str, role: &str, name: &str) -> Result<String, Failure> {
    let role = role_of(role)?;
    let name = name.trim();
    if let Some(fault) = person_faults(login, name, role).first() {
        let given = match fault.field.as_str() {
            "login" => login,
            "name" => name,
            _ => "",
        };
        return Err(refused(&fault.field, given, &fault.message));
    }
    let password = new_letters(LONG);
    let hash = hash_password(&password)?;
    let mut conn = state.pool.get()?;
    if user::by_login(&mut conn, login)?.is_some() {
        return Err(refused("login", login, "somebody signs in with this name"));
    }
    let person = new_user(login, name, role);
    let console = Actor {
        user: None,
        action: "user-add",
    };
    write(&mut conn, console, |conn| {
        user::insert(conn, &person, &hash)?;
        user::set_password(conn, person.id, &hash, true)
    })?;
    Ok(format!(
        "{name} signs in as {login}, {}, and chooses a password of their own first.\nPassword, shown this once: {password}",
        word(role)
    ))
}

fn known(conn: &mut PgConnection, login: &str) -> Result<User, Failure> {
    let found = user::by_login(conn, login)?.map(|(user, _)| user);
    found.ok_or_else(|| refused("login", login, "not one of those that user list shows"))
}

/// A new password for somebody who lost theirs, or their telephone; where access had ended it begins again.
fn reset(state: &AppState, login: &str) -> Result<String, Failure> {
    let password = new_letters(LONG);
    let hash = hash_password(&password)?;
    let mut conn = state.pool.get()?;
    let person = known(&mut conn, login)?;
    let console = Actor {
        user: None,
        action: "user-reset",
    };
    write(&mut conn, console, |conn| {
        user::set_password(conn, person.id, &hash, true)?;
        user::set_ended(conn, person.id, None)?;
        second_factor::end(conn, person.id)?;
        invitation::end_of(conn, Some(person.id))?;
        session::end_all(conn, person.id, None)
    })?;
    Ok(format!(
        "{} is signed out everywhere, has no second factor, and chooses a password of their own first.\nPassword, shown this once: {password}",
        person.name
    ))
}

fn end(state: &AppState, login: &str) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    let person = known(&mut conn, login)?;
    let console = Actor {
        user: None,
        action: "user-end",
    };
    write(&mut conn, console, |conn| end_access(conn, person.id))?;
    Ok(format!(
        "{} no longer comes in. What they wrote and signed stays theirs.",
        person.name
    ))
}

fn refused(field: &str, given: &str, expected: &str) -> Failure {
    format!("{field} is {given:?}: {expected}. Nothing was written").into()
}

/// Roles that people have; a patient's link is made elsewhere.
fn role_of(text: &str) -> Result<Role, Failure> {
    serde_json::from_value::<Role>(json!(text))
        .ok()
        .filter(|role| *role != Role::PatientLink)
        .ok_or_else(|| {
            refused(
                "role",
                text,
                "not clinician, lead, assistant, auditor or learner",
            )
        })
}

fn word(role: Role) -> String {
    json!(role).as_str().unwrap_or_default().to_owned()
}
