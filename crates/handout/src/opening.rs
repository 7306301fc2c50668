//! When somebody answers, in the language of the sheet.

use ritorno_core::facts::{ClinicDefaults, Language, OpenHours};
use ritorno_wording::{Value, Wording};

/// When somebody answers: in the clinic's own words, or put together from its hours where it writes another language than the
/// patient reads.
pub(crate) fn answers_when(wording: &Wording, clinic: &ClinicDefaults, reads: Language) -> String {
    match reads == Language::default() || clinic.opening.is_empty() {
        true => clinic.hours.clone(),
        false => opening_words(wording, &clinic.opening),
    }
}

/// Days in a row with the same hours stand together: *Monday to Friday 08:00 to 17:00*. The patient's page says them alike.
fn opening_words(wording: &Wording, opening: &[OpenHours]) -> String {
    let hours = |weekday: u32| {
        let mut rows: Vec<&OpenHours> = opening.iter().filter(|r| r.weekday == weekday).collect();
        rows.sort_by_key(|row| row.from);
        let said = rows.iter().map(|row| {
            let [from, until] = [row.from, row.until].map(|at| at.format("%H:%M").to_string());
            let args = [("from", Value::Text(&from)), ("until", Value::Text(&until))];
            wording.say("phone-hours", &args)
        });
        said.collect::<Vec<_>>().join(", ")
    };
    let day = |weekday: u32| wording.say(&format!("phone-weekday-{weekday}"), &[]);
    let days: Vec<(u32, String)> = (1..=7).map(|weekday| (weekday, hours(weekday))).collect();
    let alike = days.chunk_by(|(_, a), (_, b)| a == b);
    let open = alike.filter(|run| !run[0].1.is_empty());
    let said = open.map(|run| {
        let (first, last) = (day(run[0].0), day(run[run.len() - 1].0));
        let which = match run.len() {
            1 => first,
            _ => {
                let args = [("first", Value::Text(&first)), ("last", Value::Text(&last))];
                wording.say("phone-days", &args)
            }
        };
        format!("{which} {}", run[0].1)
    });
    said.collect::<Vec<_>>().join("; ")
}
