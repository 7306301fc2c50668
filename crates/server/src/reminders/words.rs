//! What stands in a reminder: that there is something, and whom to call. Nothing of the shoulder: others may read it.

use crate::problem::wording_in;
use chrono::{Datelike, NaiveDate, NaiveTime};
use ritorno_core::facts::{ClinicDefaults, Language};
use ritorno_wording::{Value, Wording};

/// The clinic, by its name where it has said one.
fn named(wording: &Wording, clinic: &ClinicDefaults) -> String {
    match clinic.clinic_name.trim() {
        "" => wording.say("message-clinic", &[]),
        name => name.to_owned(),
    }
}

/// Whom to call, where the clinic has said it.
fn call(wording: &Wording, clinic: &ClinicDefaults) -> String {
    match clinic.telephone.trim() {
        "" => String::new(),
        number => wording.say("message-call", &[("number", Value::Text(number))]),
    }
}

/// The text about an appointment.
pub(super) fn of_appointment(
    (clinic, reads): (&ClinicDefaults, Language),
    day: NaiveDate,
    at: NaiveTime,
) -> String {
    let wording = wording_in(reads);
    let say = |id: String| wording.say(&id, &[]);
    let weekday = say(format!(
        "phone-weekday-{}",
        day.weekday().number_from_monday()
    ));
    let month = say(format!("phone-month-{}", day.month()));
    let (name, call) = (named(wording, clinic), call(wording, clinic));
    let time = at.format("%H:%M").to_string();
    let args = [
        ("clinic", Value::Text(&name)),
        ("weekday", Value::Text(&weekday)),
        ("day", Value::Number(f64::from(day.day()))),
        ("month", Value::Text(&month)),
        ("time", Value::Text(&time)),
        ("call", Value::Text(&call)),
    ];
    one_line(&wording.say("message-appointment", &args))
}

/// The text about a day's exercises.
pub(super) fn of_exercises((clinic, reads): (&ClinicDefaults, Language)) -> String {
    let wording = wording_in(reads);
    let (name, call) = (named(wording, clinic), call(wording, clinic));
    let args = [("clinic", Value::Text(&name)), ("call", Value::Text(&call))];
    one_line(&wording.say("message-exercises", &args))
}

/// A text with single blanks: a part that is left out leaves none.
fn one_line(text: &str) -> String {
    text.split_whitespace().collect::<Vec<_>>().join(" ")
}
