//! The sheet of somebody who reads Italian.

use super::*;

/// How easily Italian is read, 0 to 100, by the letters of its words and the words of its sentences: the index *Gulpease* (Lucisano and
/// Piemontese 1988; formula and marks from memory).
fn gulpease(text: &str) -> f64 {
    let sentences = text
        .split(['.', '!', '?', '\n', ':', ';'])
        .filter(|part| part.chars().any(char::is_alphabetic))
        .count();
    let words: Vec<&str> = text
        .split(|c: char| !c.is_alphabetic())
        .filter(|word| !word.is_empty())
        .collect();
    let letters: usize = words.iter().map(|word| word.chars().count()).sum();
    89.0 + (300.0 * sentences as f64 - 10.0 * letters as f64) / words.len() as f64
}

fn for_italy(mut facts: Facts) -> Facts {
    facts.story.reads = Language::Italian;
    facts
}

/// Words of English that no Italian sentence has.
const ENGLISH: [&str; 12] = [
    "the", "your", "with", "and", "of", "not", "you", "arm", "hand", "stand", "lift", "slowly",
];

#[test]
fn every_sheet_is_italian_throughout_and_read_after_eight_years_of_school() {
    // Whoever reads this needs more than those.
    assert!(
        gulpease(
            "L’immobilizzazione postoperatoria presuppone riabilitazione scapolotoracica individualizzata"
        ) < 40.0
    );
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::of(Language::Italian).expect("the catalogue");
    let mut explained = 0;
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        for days in [4, 38, 120] {
            let facts = planned(&known, begun_for(&known, &pathway.id, days));
            let facts = for_italy(tried(&known, facts));
            let assessment = Assessment::new(&known, &facts).expect("a pathway");
            let mut told = contents(
                &wording,
                &HandoutInput {
                    ctx: &assessment.ctx(),
                    facts: &facts,
                    name: "Ada",
                    version: 1,
                    signed_on: facts.today,
                    clinic: &ClinicDefaults::default(),
                },
            );
            explained += told["exercises"].as_array().expect("exercises").len();
            // Ids are for the page, not for the reader.
            for exercise in told["exercises"].as_array_mut().into_iter().flatten() {
                exercise["id"] = "".into();
                exercise["count"]["structure"] = "".into();
                exercise["easier_count"]["structure"] = "".into();
            }
            let text = words(&told);
            let place = format!("{}, day {days}", pathway.id);
            for word in text.split(|c: char| !c.is_alphanumeric()) {
                let word = word.to_lowercase();
                assert!(!ENGLISH.contains(&word.as_str()), "{place}: {word}\n{text}");
            }
            for key in ["paper-", "landmark-", "fault-", "cue-", "kit-", "advice-"] {
                assert!(!text.contains(key), "{place}: a key of {key}\n{text}");
            }
            let eased = gulpease(&text);
            assert!(eased >= 60.0, "{place}: {eased}");
        }
    }
    assert!(explained > 200, "{explained} exercises");
}

#[test]
fn the_italian_sheet_prints_with_its_own_dates_numbers_and_hours() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::of(Language::Italian).expect("the catalogue");
    let facts = for_italy(tried(&known, rigger(&known)));
    let printed = Printed::of(&known, &wording, &facts);
    let text = flat(&printed.ask("pdftotext", &[]));
    for wanted in [
        "Per Nerio Falanga",
        "5 settimane e 3 giorni dall’operazione",
        "il 1 marzo 2027, versione 1",
        "Braccio operato: destro",
        "Gomito non più in alto della bocca",
        "Fermati e chiamaci",
        // The clinic wrote its hours in English; an Italian reads when it opens.
        "Qualcuno risponde: da lunedì a venerdì dalle 08:00 alle 18:00",
        "Alza da sdraiati con l’altra mano",
        "Un giorno no",
        "Non li sostituisce",
    ] {
        assert!(text.contains(wanted), "no {wanted:?} in:\n{text}");
    }
    assert!(
        !text.contains("Monday") && !text.contains("March"),
        "{text}"
    );
    let bytes = std::fs::read(&printed.0).expect("the sheet");
    let named = bytes.windows(5).any(|part| part == b"it-IT");
    assert!(named, "the sheet does not say which language it is in");
    let info = printed.ask("pdfinfo", &[]);
    assert!(info.contains("Pages:           2"), "{info}");
}
