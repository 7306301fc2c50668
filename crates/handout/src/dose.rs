//! A dose in words for the one who does it: how much, how fast, with what, fixed where.

use ritorno_core::deciding::BadDay;
use ritorno_core::facts::{Facts, Line};
use ritorno_core::knowledge::{Dose, Exercise, Knowledge, OtherArm, SetStructure};
use ritorno_core::mechanics::{AnchorSide, Load};
use ritorno_core::rules::effort_word;
use ritorno_wording::{Value, Wording, capital};
use serde_json::{Value as Json, json};

/// The dose of a line, with where its elastic is fixed.
pub(crate) fn dose_text(
    known: &Knowledge,
    wording: &Wording,
    facts: &Facts,
    (exercise, line): (&Exercise, &Line),
) -> String {
    let d = &line.dose;
    let number = |n: u32| Value::Number(f64::from(n));
    let mut parts = vec![much_text(wording, d)];
    if let Some([out, pause, back]) = d.tempo_s {
        let tempo = [("out", out), ("pause", pause), ("back", back)];
        parts.push(wording.say("paper-tempo", &tempo.map(|(name, s)| (name, number(s)))));
    }
    if d.hold_s > 0 {
        parts.push(wording.say("paper-hold", &[("hold", number(d.hold_s))]));
    }
    if let Some(kg) = d.load_kg {
        parts.push(wording.say("paper-load", &[("load", Value::Number(kg))]));
    }
    if let Some(level) = d.elastic_level {
        parts.push(elastic_text(wording, facts, level));
        parts.extend(anchor_text((known, wording), exercise, d.distance_m));
    }
    if let Some(effort) = d.effort_pct {
        let word = effort_word(known, effort);
        parts.push(wording.say(&format!("paper-effort-{word}"), &[]));
    }
    parts.push(wording.say("paper-times", &[("times", number(d.times_per_day))]));
    parts.push(wording.say("paper-days", &[("days", number(d.days_per_week))]));
    match d.structure {
        Some(SetStructure::Circuit) => parts.push(wording.say("paper-circuit", &[])),
        Some(SetStructure::Single) => parts.push(wording.say("paper-single", &[])),
        _ => {}
    }
    if d.sets > 1 && d.rest_s > 0 && d.structure != Some(SetStructure::Circuit) {
        parts.push(wording.say("paper-rest", &[("rest", number(d.rest_s))]));
    }
    capital(&parts.join(", "))
}

/// How many rounds of how much.
fn much_text(wording: &Wording, d: &Dose) -> String {
    let number = |n: u32| Value::Number(f64::from(n));
    let sets = ("sets", number(d.sets));
    match d.duration_s {
        None => {
            let repetitions = ("repetitions", number(d.repetitions));
            wording.say("paper-dose", &[sets, repetitions])
        }
        // Whole minutes from two on; below that and between them, seconds.
        Some(seconds) if seconds >= 120 && seconds % 60 == 0 => {
            let minutes = ("minutes", number(seconds / 60));
            wording.say("paper-dose-minutes", &[sets, minutes])
        }
        Some(seconds) => {
            let seconds = ("seconds", number(seconds));
            wording.say("paper-dose-timed", &[sets, seconds])
        }
    }
}

/// What to do less of on a bad day, worked out from the line: how much, with what, how much nearer or less far.
pub(crate) fn easier_text(
    (known, wording): (&Knowledge, &Wording),
    facts: &Facts,
    line: &Line,
    easier: &BadDay,
) -> String {
    let d = &easier.dose;
    let mut parts = vec![much_text(wording, d)];
    if let Some(metres) = easier.nearer_m.filter(|metres| *metres > 0.0) {
        parts.push(far_text((known, wording), "paper-nearer", metres));
    }
    if easier.smaller_arc {
        parts.push(wording.say("paper-less-far", &[]));
    }
    if let Some(level) = d
        .elastic_level
        .filter(|_| d.elastic_level != line.dose.elastic_level)
    {
        parts.push(elastic_text(wording, facts, level));
    }
    if let Some(kg) = d.load_kg.filter(|_| d.load_kg != line.dose.load_kg) {
        parts.push(wording.say("paper-load", &[("load", Value::Number(kg))]));
    }
    let easier = parts.join(", ");
    wording.say("paper-easier", &[("easier", Value::Text(&easier))])
}

/// A level of elastic, by what the clinic calls it where it has measured one.
fn elastic_text(wording: &Wording, facts: &Facts, level: u32) -> String {
    let number = ("level", Value::Number(f64::from(level)));
    let mut own = facts.elastics.iter().rev().filter(|e| e.level == level);
    match own.find(|e| !e.simulated && !e.label.trim().is_empty()) {
        Some(own) => {
            let label = ("label", Value::Text(own.label.trim()));
            wording.say("paper-elastic-named", &[number, label])
        }
        None => wording.say("paper-elastic", &[number]),
    }
}

/// A distance, in metres and in shoes.
fn far_text((known, wording): (&Knowledge, &Wording), id: &str, metres: f64) -> String {
    let shoes = known.shoes(metres);
    let shoes = match shoes < 1.0 {
        true => wording.say("paper-shoe-half", &[]),
        false => wording.say("paper-shoes", &[("shoes", Value::Number(shoes))]),
    };
    let args = [
        ("metres", Value::Number(metres)),
        ("shoes", Value::Text(&shoes)),
    ];
    wording.say(id, &args)
}

/// Where an elastic is fixed and how far away one stands: the dose of the line, else what the exercise was worked out with.
///
/// Between both hands, or under the foot, there is no such place to stand away from.
fn anchor_text(
    (known, wording): (&Knowledge, &Wording),
    exercise: &Exercise,
    dosed_m: Option<f64>,
) -> Vec<String> {
    let Load::Elastic { anchor, .. } = exercise.load else {
        return Vec::new();
    };
    let word = |value: Json| value.as_str().unwrap_or_default().to_owned();
    match anchor.side {
        AnchorSide::Under => vec![wording.say("paper-anchor-under", &[])],
        AnchorSide::Opposite if exercise.other == Some(OtherArm::Same) => Vec::new(),
        side => {
            let (height, side) = (word(json!(anchor.height)), word(json!(side)));
            let args = [
                ("height", Value::Text(&height)),
                ("side", Value::Text(&side)),
            ];
            let metres = dosed_m.unwrap_or(anchor.distance_m);
            vec![
                wording.say("paper-anchor", &args),
                far_text((known, wording), "paper-distance", metres),
            ]
        }
    }
}
