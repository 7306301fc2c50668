//! The demo: invented patients of the Molo Nove clinic in Portoselva, relative to today.

mod examined;
mod operated;
mod pathways;
mod person;
mod writing;

use examined::EXAMINED;
use operated::PEOPLE;
use pathways::MORE;
use writing::add;

use crate::Failure;
use ritorno_core::permission::Role;
use ritorno_server::{AppState, hash_password, new_user};
use ritorno_store::{Actor, knowledge, user, write};

const LOGIN: &str = "demo";
const PASSWORD: &str = "molo-nove";

/// Loads the demo once; says what it did and how to sign in.
pub fn load(state: &AppState) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    let signed_in = format!("Demo sign-in: name {LOGIN}, password {PASSWORD}");
    if user::by_login(&mut conn, LOGIN)?.is_some() {
        return Ok(format!("Demo data is there already.\n{signed_in}"));
    }
    let clinician = new_user(LOGIN, "Vera Dossi", Role::Lead);
    let hash = hash_password(PASSWORD)?;
    let actor = Actor {
        user: Some(clinician.id),
        action: "demo",
    };
    write(
        &mut conn,
        Actor {
            user: None,
            action: "demo",
        },
        |conn| {
            user::insert(conn, &clinician, &hash)?;
            knowledge::keep(conn, &state.knowledge.sha256, &state.knowledge.canonical)
        },
    )?;
    for person in PEOPLE.iter().chain(MORE) {
        write(&mut conn, actor, |conn| add(state, conn, person))?;
    }
    for person in EXAMINED {
        write(&mut conn, actor, |conn| {
            examined::add(state, conn, &clinician, person)
        })?;
    }
    Ok(format!(
        "{} invented patients of the Molo Nove clinic loaded.\n{signed_in}",
        PEOPLE.len() + MORE.len() + EXAMINED.len()
    ))
}
