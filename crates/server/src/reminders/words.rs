//! What stands in a reminder: that there is something, and whom to call. Nothing of the shoulder: others may read it.

use crate::problem::wording;
use chrono::{Datelike, NaiveDate, NaiveTime};
use ritorno_core::facts::ClinicDefaults;
use ritorno_wording::Value;

/// The clinic, by its name where it has said one.
fn named(clinic: &ClinicDefaults) -> String {
    match clinic.clinic_name.trim() {
        "" => wording().say("message-clinic", &[]),
        name => name.to_owned(),
    }
}

/// Whom to call, where the clinic has said it.
fn call(clinic: &ClinicDefaults) -> String {
    match clinic.telephone.trim() {
        "" => String::new(),
        number => wording().say("message-call", &[("number", Value::Text(number))]),
    }
}

/// The text about an appointment.
pub(super) fn of_appointment(clinic: &ClinicDefaults, day: NaiveDate, at: NaiveTime) -> String {
    let say = |id: String| wording().say(&id, &[]);
    let weekday = say(format!(
        "weekday-long-{}",
        day.weekday().number_from_monday()
    ));
    let month = say(format!("month-long-{}", day.month()));
    let (name, call) = (named(clinic), call(clinic));
    let time = at.format("%H:%M").to_string();
    let args = [
        ("clinic", Value::Text(&name)),
        ("weekday", Value::Text(&weekday)),
        ("day", Value::Number(f64::from(day.day()))),
        ("month", Value::Text(&month)),
        ("time", Value::Text(&time)),
        ("call", Value::Text(&call)),
    ];
    one_line(&wording().say("message-appointment", &args))
}

/// The text about a day's exercises.
pub(super) fn of_exercises(clinic: &ClinicDefaults) -> String {
    let (name, call) = (named(clinic), call(clinic));
    let args = [("clinic", Value::Text(&name)), ("call", Value::Text(&call))];
    one_line(&wording().say("message-exercises", &args))
}

/// A text with single blanks: a part that is left out leaves none.
fn one_line(text: &str) -> String {
    text.split_whitespace().collect::<Vec<_>>().join(" ")
}
