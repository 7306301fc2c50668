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
use chrono::NaiveTime;
use ritorno_core::facts::{ClinicDefaults, OpenHours};
use ritorno_core::permission::Role;
use ritorno_server::{AppState, hash_password, new_user};
use ritorno_store::{Actor, defaults, episode, knowledge, user, write};

const LOGIN: &str = "demo";
/// A colleague, so that there is somebody to hand over to; signs in with the same password.
const COLLEAGUE: &str = "demo-colleague";
/// Of so many operated patients the last is the colleague's.
const SHARED: usize = 4;
const PASSWORD: &str = "molo-nove";

/// Loads the demo once; says what it did and how to sign in. A database that holds anybody else is left as it is: the
/// demo's lead signs in with a password that everybody knows.
pub fn load(state: &AppState) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    let signed_in = format!("Demo sign-in: name {LOGIN}, password {PASSWORD}");
    if user::by_login(&mut conn, LOGIN)?.is_some() {
        return Ok(format!("Demo data is there already.\n{signed_in}"));
    }
    let (people, patients) = (user::all(&mut conn)?.len(), episode::patients(&mut conn)?);
    if people > 0 || patients > 0 {
        return Err(format!(
            "this database holds a clinic ({people} people who sign in, {patients} patients): the demo is loaded only into an empty one. Nothing was written"
        )
        .into());
    }
    let clinician = new_user(LOGIN, "Vera Dossi", Role::Lead);
    let colleague = new_user(COLLEAGUE, "Ines Marrubi", Role::Clinician);
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
            user::insert(conn, &colleague, &hash)?;
            knowledge::keep(conn, &state.knowledge.sha256, &state.knowledge.canonical)
        },
    )?;
    for (n, person) in PEOPLE.iter().chain(MORE).enumerate() {
        let treats = if n % SHARED == SHARED - 1 {
            colleague.id
        } else {
            clinician.id
        };
        write(&mut conn, actor, |conn| add(state, conn, treats, person))?;
    }
    for person in EXAMINED {
        write(&mut conn, actor, |conn| {
            examined::add(state, conn, &clinician, person)
        })?;
    }
    let hour = |hour| NaiveTime::from_hms_opt(hour, 0, 0).unwrap_or_default();
    let clinic = ClinicDefaults {
        clinic_name: "Molo Nove".to_owned(),
        telephone: "00 555 0142".to_owned(),
        opening: (1..=5)
            .map(|weekday| OpenHours {
                weekday,
                from: hour(8),
                until: hour(18),
            })
            .collect(),
        hours: "Monday to Friday, 8 to 18".to_owned(),
        ..ClinicDefaults::default()
    };
    write(&mut conn, actor, |conn| {
        defaults::keep(conn, 0, &clinic, clinician.id)
    })?;
    Ok(format!(
        "{} invented patients of the Molo Nove clinic loaded.\n{signed_in}",
        PEOPLE.len() + MORE.len() + EXAMINED.len()
    ))
}
