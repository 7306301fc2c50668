//! Whether every other language says all that English says to patients.

use super::*;
use std::collections::{BTreeMap, BTreeSet};
use std::path::{Path, PathBuf};

/// What patients read, each a file in every language.
const FOR_PATIENTS: [&str; 5] = ["exercises", "messages", "paper", "patient", "phone"];

fn locales() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../../locales")
}

/// The text of each message and attribute of a catalogue, by `id` and `id.attribute`.
fn messages(text: &str) -> BTreeMap<String, String> {
    let mut out = BTreeMap::new();
    let (mut message, mut part) = (String::new(), String::new());
    for line in text.lines() {
        let begins = line.starts_with(|c: char| c.is_ascii_lowercase());
        let attribute = line.trim_start().strip_prefix('.');
        let said = match (begins, attribute) {
            (true, _) => {
                let (id, said) = line.split_once(" =").expect("a message");
                (message, part) = (id.to_owned(), id.to_owned());
                said
            }
            (false, Some(attribute)) => {
                let (name, said) = attribute.split_once(" =").expect("an attribute");
                part = format!("{message}.{name}");
                said
            }
            _ if line.starts_with(' ') || line.starts_with('}') => line,
            _ => continue,
        };
        let text: &mut String = out.entry(part.clone()).or_default();
        text.push_str(said);
        text.push('\n');
    }
    out
}

/// What a text is given to say.
fn given(text: &str) -> BTreeSet<&str> {
    let name = |rest: &'_ str| rest.find(|c: char| !c.is_ascii_alphanumeric() && c != '-');
    let parts = text.split('$').skip(1);
    parts
        .map(|rest| &rest[..name(rest).unwrap_or(rest.len())])
        .collect()
}

#[test]
fn every_language_says_all_that_patients_read() {
    for language in Language::ALL {
        let wording = Wording::of(language).expect("the catalogues parse");
        let mut said = 0;
        for file in FOR_PATIENTS {
            let read = |code: &str| {
                let path = locales().join(code).join(format!("{file}.ftl"));
                messages(&std::fs::read_to_string(&path).expect("a catalogue"))
            };
            let (english, own) = (read("en"), read(language.code()));
            let ids = |of: &BTreeMap<String, String>| of.keys().cloned().collect::<Vec<_>>();
            assert_eq!(ids(&own), ids(&english), "{language:?}, {file}.ftl");
            for (id, text) in &own {
                let wanted = given(&english[id]);
                if language != Language::English {
                    // A sentence that was forgotten is the same in both.
                    let same = *text == english[id] && text.split_whitespace().count() > 3;
                    assert!(!same || wanted.len() > 1, "{language:?}: {id} is English");
                }
                assert_eq!(given(text), wanted, "{language:?}: {id}");
                assert!(!text.contains('°'), "{language:?}: {id} tells degrees");
                let message = id.split('.').next().unwrap_or_default();
                assert!(wording.has(message), "{language:?}: {id}");
                said += 1;
            }
        }
        assert!(said > 1500, "{language:?}: {said} texts");
    }
}

#[test]
fn no_two_exercises_are_called_the_same_in_any_language() {
    for language in Language::ALL {
        let wording = Wording::of(language).expect("the catalogues parse");
        let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("knowledge");
        let mut called = BTreeMap::new();
        for id in known.exercises.keys() {
            let name = wording.say(&format!("ex-{id}"), &[]).to_lowercase();
            if let Some(other) = called.insert(name, id) {
                panic!("{language:?}: {id} is called as {other} is");
            }
        }
        assert!(called.len() > 200);
    }
}

#[test]
fn dates_and_numbers_follow_the_habits_of_the_language() {
    let day = NaiveDate::from_ymd_opt(2027, 2, 6).expect("a date");
    let load = [("load", Value::Number(2.5))];
    for (language, date, kilos) in [
        (Language::English, "6 February 2027", "2.5 kg in your hand"),
        (Language::Italian, "6 febbraio 2027", "2,5 kg in mano"),
    ] {
        let wording = Wording::of(language).expect("the catalogues parse");
        assert_eq!(wording.date(day), date);
        assert_eq!(wording.say("paper-load", &load), kilos);
    }
}
