//! Screens free text for what a red flag must ask about. It asks, it never asserts.

use super::hits::Hit;
use super::pattern::words;
use super::set::Knowledge;
use sha2::{Digest, Sha256};

/// What a text must be asked about: at most one passage a flag and sentence, in the order of the text.
///
/// ```
/// # let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("knowledge");
/// use ritorno_core::knowledge::screen;
/// let hits = screen(&known, "Sleeps well. Slipped on the deck yesterday, no fever.");
/// assert_eq!(hits.len(), 1);
/// assert_eq!((hits[0].flag.as_str(), hits[0].quote.as_str()), ("deformity", "Slipped on the deck yesterday, no fever."));
/// ```
pub fn screen(known: &Knowledge, text: &str) -> Vec<Hit> {
    let mut out = Vec::new();
    for quote in sentences(text) {
        let words = words(quote);
        for row in known.lexicon.values().flatten() {
            if out
                .iter()
                .any(|hit: &Hit| hit.flag == row.flag && hit.quote == quote)
            {
                continue;
            }
            if row.fires_on(&words) {
                out.push(Hit {
                    flag: row.flag.clone(),
                    quote: quote.to_owned(),
                    passage: passage(&words),
                });
            }
        }
    }
    out
}

/// Sentences of a text: they end at a full stop, question mark, exclamation mark or semicolon before a space, and at a line's end.
fn sentences(text: &str) -> Vec<&str> {
    let mut out = Vec::new();
    let mut start = 0;
    let mut chars = text.char_indices().peekable();
    while let Some((at, c)) = chars.next() {
        let ends = match c {
            '\n' | '\r' => true,
            '.' | '!' | '?' | ';' => chars.peek().is_none_or(|(_, next)| next.is_whitespace()),
            _ => false,
        };
        if ends {
            out.push(text[start..at + c.len_utf8()].trim());
            start = at + c.len_utf8();
        }
    }
    out.push(text[start..].trim());
    out.retain(|s| s.chars().any(char::is_alphanumeric));
    out
}

fn passage(words: &[String]) -> String {
    let digest = Sha256::digest(words.join(" ").as_bytes());
    digest[..6].iter().map(|b| format!("{b:02x}")).collect()
}
