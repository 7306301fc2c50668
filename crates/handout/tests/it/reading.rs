//! How old somebody must be to read a sheet.

use super::*;

/// Syllables as the count of groups of vowels, a silent last *e* left out: as programs for this formula count them.
fn syllables(word: &str) -> usize {
    let word = word.to_lowercase();
    let vowel = |c: char| "aeiouy".contains(c);
    let mut count = 0;
    let mut before = false;
    for c in word.chars() {
        count += usize::from(vowel(c) && !before);
        before = vowel(c);
    }
    let silent = word.ends_with('e') && !word.ends_with("le") && count > 1;
    (count - usize::from(silent)).max(1)
}

/// Reading age in years: the grade after Kincaid et al. 1975 (*Derivation of new readability formulas for Navy enlisted personnel*;
/// the formula from memory) and five years, as a first grade is read at six.
fn reading_age(text: &str) -> f64 {
    let sentences: Vec<Vec<&str>> = text
        .split(['.', '!', '?', '\n', ':', ';'])
        .map(|sentence| {
            let words = sentence.split(|c: char| !c.is_alphabetic() && c != '\u{2019}');
            words.filter(|word| !word.is_empty()).collect::<Vec<_>>()
        })
        .filter(|words| !words.is_empty())
        .collect();
    let words: usize = sentences.iter().map(Vec::len).sum();
    let spoken: usize = sentences.iter().flatten().map(|word| syllables(word)).sum();
    let (words, sentences, spoken) = (words as f64, sentences.len() as f64, spoken as f64);
    0.39 * words / sentences + 11.8 * spoken / words - 15.59 + 5.0
}

#[test]
fn every_sheet_is_read_at_the_age_of_eleven() {
    // Whoever reads this needs more years than eleven: the formula tells the two apart.
    assert!(
        reading_age(
            "Postoperative immobilisation necessitates individualised supervision of scapulothoracic rehabilitation."
        ) > 20.0
    );
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let mut oldest = (0.0, String::new());
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        for days in [4, 38, 120] {
            let facts = tried(
                &known,
                planned(&known, begun_for(&known, &pathway.id, days)),
            );
            let assessment = Assessment::new(&known, &facts).expect("a pathway");
            let input = HandoutInput {
                ctx: &assessment.ctx(),
                facts: &facts,
                name: "Ada",
                version: 1,
                signed_on: facts.today,
                clinic: &clinic(),
            };
            let age = reading_age(&words(&contents(&wording, &input)));
            if age > oldest.0 {
                oldest = (age, format!("{}, day {days}", pathway.id));
            }
        }
    }
    assert!(oldest.0 <= 11.0, "{oldest:?}");
}
