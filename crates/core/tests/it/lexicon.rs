//! The lexicon against sentences that were written and frozen before it was.

use super::shoulder::known;
use ritorno_core::knowledge::{Tier, screen};

const SENTENCES: &str = include_str!("../golden/lexicon-en.tsv");
const LATER: &str = include_str!("../golden/lexicon-en-later.tsv");
const CALM: &str = include_str!("../golden/lexicon-en-calm.tsv");
const UNSEEN: &str = include_str!("../golden/lexicon-en-unseen.tsv");

/// Flag, or a dash for none, and the sentence.
fn rows(text: &'static str) -> Vec<(&'static str, &'static str)> {
    text.lines()
        .filter(|line| !line.starts_with('#'))
        .filter_map(|line| line.split_once('\t'))
        .collect()
}

#[test]
fn emergencies_are_caught_and_calm_sentences_are_left_alone() {
    let rows = rows(SENTENCES);
    assert!(rows.len() >= 200);
    reads_well(&rows);
}

/// Frozen before the rows of that day; nothing was tuned to them at the first reading.
#[test]
fn sentences_frozen_before_the_lexicon_grew_are_read_as_well() {
    reads_well(&rows(UNSEEN));
}

/// Ordinary notes are left alone.
#[test]
fn ordinary_notes_ask_for_nothing() {
    let rows = rows(CALM);
    let hits: Vec<_> = rows
        .iter()
        .flat_map(|(_, text)| screen(known(), text))
        .collect();
    for hit in &hits {
        println!("asked for nothing: {} ({})", hit.quote, hit.flag);
    }
    assert!(hits.len() * 20 <= rows.len(), "at most 5 % false asks");
}

fn reads_well(rows: &[(&'static str, &'static str)]) {
    let urgent = |flag: &str| {
        let tier = known().red_flag(flag).expect("a known flag").tier;
        matches!(tier, Tier::EmergencyNow)
    };
    let asks = |flag: &str, text: &str| screen(known(), text).iter().any(|hit| hit.flag == flag);
    let told: Vec<_> = rows.iter().filter(|(flag, _)| *flag != "-").collect();
    let calm: Vec<_> = rows.iter().filter(|(flag, _)| *flag == "-").collect();
    assert!(told.len() * 3 >= rows.len() * 2 - 3);
    let missed: Vec<_> = told
        .iter()
        .filter(|(flag, text)| !asks(flag, text))
        .collect();
    let emergencies = told.iter().filter(|(flag, _)| urgent(flag)).count();
    let missed_emergencies = missed.iter().filter(|(flag, _)| urgent(flag)).count();
    let false_asks: Vec<_> = calm
        .iter()
        .map(|(_, text)| (text, screen(known(), text)))
        .filter(|(_, hits)| !hits.is_empty())
        .collect();
    println!(
        "lexicon: emergencies {}/{}, all {}/{}, false asks {}/{}",
        emergencies - missed_emergencies,
        emergencies,
        told.len() - missed.len(),
        told.len(),
        false_asks.len(),
        calm.len()
    );
    for (flag, text) in &missed {
        println!("missed {flag}: {text}");
    }
    for (text, hits) in &false_asks {
        println!("asked for nothing: {text} ({})", hits[0].flag);
    }
    assert!(
        missed_emergencies * 20 <= emergencies,
        "at least 95 % of emergencies"
    );
    assert!(
        false_asks.len() * 20 <= calm.len(),
        "at most 5 % false asks"
    );
    assert!(missed.len() * 10 <= told.len(), "and most of the rest");
}

#[test]
fn commas_and_negations_end_where_people_mean_them_to() {
    let flags = |text: &str| -> Vec<String> {
        screen(known(), text)
            .into_iter()
            .map(|hit| hit.flag)
            .collect()
    };
    assert_eq!(flags("No fever, but slipped on the stairs."), ["deformity"]);
    assert_eq!(
        flags("Denies fever, chills or a fall."),
        Vec::<String>::new()
    );
    assert_eq!(flags("He hasn’t fallen."), Vec::<String>::new());
    assert_eq!(flags("Won’t go up since Sunday"), ["new-weakness"]);
    assert_eq!(flags("No fever. Fever of 38.5 on Sunday"), ["infection"]);
    let hit = &screen(known(), "Slept well.\nFELL, off the ladder!")[0];
    assert_eq!(hit.quote, "FELL, off the ladder!");
    assert_eq!(
        hit.passage,
        screen(known(), "fell, off the LADDER")[0].passage,
        "the same words are the same passage"
    );
}

#[test]
fn sentences_that_were_written_later_stay_caught() {
    for (flag, text) in rows(LATER) {
        let hits = screen(known(), text);
        if flag == "-" {
            assert!(hits.is_empty(), "{text}: {hits:?}");
        } else {
            assert!(hits.iter().any(|hit| hit.flag == flag), "{flag}: {text}");
        }
    }
}
