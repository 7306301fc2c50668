//! A pattern of words, as a row of the lexicon writes it.

/// The words of a sentence in small letters, contractions written out; a comma is a word of its own.
pub(crate) fn words(sentence: &str) -> Vec<String> {
    let plain = sentence
        .to_lowercase()
        .replace(['’', '‘', '`'], "'")
        .replace("can't", "can not")
        .replace("cannot", "can not")
        .replace("won't", "will not")
        .replace("n't", " not")
        .replace("'ve", " have")
        .replace("'re", " are")
        .replace("'ll", " will")
        .replace("'m", " am")
        .replace("'d", " would")
        .replace("'s", " is");
    let mut spaced = String::with_capacity(plain.len());
    for c in plain.chars() {
        match c {
            ',' | ':' | '(' | ')' => spaced.push_str(" , "),
            c if c.is_alphanumeric() => spaced.push(c),
            '.' => spaced.push('.'),
            _ => spaced.push(' '),
        }
    }
    spaced
        .split_whitespace()
        .map(|word| word.trim_matches('.').to_owned())
        .filter(|word| !word.is_empty())
        .collect()
}

/// Words that silence what follows them shortly.
const NEGATORS: [&str; 9] = [
    "no", "not", "never", "without", "denies", "denied", "nor", "none", "negative",
];

/// Words after which a negator no longer reaches.
const BREAKS: [&str; 13] = [
    ",", "but", "and", "then", "however", "except", "although", "though", "since", "after", "when",
    "because", "until",
];

/// How many words a negator reaches over. Source: our choice.
const NEGATOR_REACH: usize = 4;

/// How many words `..` may stand for. Source: our choice.
const GAP: usize = 4;

#[derive(Debug, Clone, PartialEq, Eq)]
enum Part {
    /// One of these phrases, word by word; with `true` any ending of the last.
    Word(Vec<(Vec<String>, bool)>),
    /// Up to four words.
    Gap,
}

/// A pattern: words in order, `lift*` any ending, `(arm|hand)` one of these, `..` up to four words between, `up?` may be missing.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Pattern {
    parts: Vec<(Part, bool)>,
    negates: bool,
    /// By its first byte, whether a word can begin it: most words begin nothing, and are passed over without trying.
    begins: Begins,
}

/// One bit a byte.
#[derive(Debug, Clone, PartialEq, Eq)]
struct Begins([u64; 4]);

impl Begins {
    fn of(parts: &[(Part, bool)]) -> Begins {
        let mut bits = [0; 4];
        for (part, optional) in parts {
            let Part::Word(choices) = part else {
                // After what may be missing anything may come.
                return Begins([u64::MAX; 4]);
            };
            for byte in choices
                .iter()
                .filter_map(|(phrase, _)| phrase.first()?.bytes().next())
            {
                bits[usize::from(byte >> 6)] |= 1u64 << (byte & 63);
            }
            if !optional {
                break;
            }
        }
        Begins(bits)
    }

    fn with(&self, word: &str) -> bool {
        word.bytes()
            .next()
            .is_some_and(|byte| self.0[usize::from(byte >> 6)] >> (byte & 63) & 1 == 1)
    }
}

impl Pattern {
    /// Reads a pattern.
    ///
    /// # Errors
    /// What is wrong with it.
    pub fn read(text: &str) -> Result<Pattern, String> {
        // Alternatives may hold spaces: "(end|ended) .. (it all|my life)".
        let mut variants = vec![String::new()];
        let mut rest = text;
        while let Some(open) = rest.find('(') {
            let close = rest[open..]
                .find(')')
                .ok_or_else(|| format!("`{text}`: a bracket is not closed"))?
                + open;
            for variant in &mut variants {
                variant.push_str(&rest[..open]);
                variant.push('\u{1}');
                variant.push_str(&rest[open + 1..close].replace(' ', "\u{2}"));
                variant.push('\u{1}');
            }
            rest = &rest[close + 1..];
        }
        variants.iter_mut().for_each(|v| v.push_str(rest));
        let mut parts = Vec::new();
        for token in variants.concat().split_whitespace() {
            if token == ".." {
                parts.push((Part::Gap, false));
                continue;
            }
            let (token, optional) = match token.strip_suffix('?') {
                Some(token) => (token, true),
                None => (token, false),
            };
            let words = token.replace('\u{1}', "");
            let choices = words
                .split('|')
                .map(|w| {
                    let w = w.replace('\u{2}', " ");
                    match w.strip_suffix('*') {
                        Some(stem) => (stem.trim().to_owned(), true),
                        None => (w.trim().to_owned(), false),
                    }
                })
                .filter(|(w, _)| !w.is_empty())
                .map(|(phrase, open)| (phrase.split(' ').map(str::to_owned).collect(), open))
                .collect::<Vec<(Vec<String>, bool)>>();
            if choices.is_empty() {
                return Err(format!("`{text}`: an empty word"));
            }
            parts.push((Part::Word(choices), optional));
        }
        let words = parts.iter().filter(|(p, _)| *p != Part::Gap).count();
        if words == 0 || matches!(parts.first(), Some((Part::Gap, _))) {
            return Err(format!("`{text}`: it must begin with a word"));
        }
        let negates = parts.iter().any(|(part, _)| match part {
            Part::Word(choices) => choices
                .iter()
                .any(|(phrase, _)| phrase.iter().any(|w| NEGATORS.contains(&w.as_str()))),
            Part::Gap => false,
        });
        Ok(Pattern {
            begins: Begins::of(&parts),
            parts,
            negates,
        })
    }

    /// Whether the words hold the pattern and nothing before it silences it.
    pub fn fires_on(&self, words: &[String]) -> bool {
        (0..words.len()).any(|at| {
            self.begins.with(&words[at])
                && match_from(&self.parts, words, at)
                && (self.negates || !negated(words, at))
        })
    }
}

fn match_from(parts: &[(Part, bool)], words: &[String], at: usize) -> bool {
    let Some(((part, optional), rest)) = parts.split_first() else {
        return true;
    };
    if *optional && match_from(rest, words, at) {
        return true;
    }
    match part {
        Part::Gap => {
            let mut spent = 0;
            let mut next = at;
            loop {
                if match_from(rest, words, next) {
                    return true;
                }
                match words.get(next) {
                    // A comma costs nothing.
                    Some(word) if word == "," => next += 1,
                    Some(_) if spent < GAP => {
                        spent += 1;
                        next += 1;
                    }
                    _ => return false,
                }
            }
        }
        Part::Word(choices) => choices.iter().any(|(wanted, open)| {
            let Some(given) = words.get(at..at + wanted.len()) else {
                return false;
            };
            let last = wanted.len() - 1;
            let fits = wanted.iter().zip(given).enumerate().all(|(i, (w, g))| {
                if *open && i == last {
                    g.starts_with(w.as_str())
                } else {
                    g == w
                }
            });
            fits && match_from(rest, words, at + wanted.len())
        }),
    }
}

/// Whether a negator reaches what stands at `at`.
fn negated(words: &[String], at: usize) -> bool {
    let shortly = words[..at]
        .iter()
        .rev()
        .take(NEGATOR_REACH)
        .take_while(|word| !BREAKS.contains(&word.as_str()))
        .any(|word| NEGATORS.contains(&word.as_str()));
    shortly || joined_by_or(words, at) || denied_in_a_list(words, at)
}

/// "Never blacked out or had a fit": with an *or* in between a negator reaches further, as long as nothing breaks off.
fn joined_by_or(words: &[String], at: usize) -> bool {
    let joined: Vec<&str> = words[..at]
        .iter()
        .rev()
        .take(2 * NEGATOR_REACH)
        .map(String::as_str)
        .take_while(|word| !BREAKS.contains(word))
        .collect();
    let negator = joined.iter().position(|word| NEGATORS.contains(word));
    negator.is_some_and(|far| {
        joined[..far]
            .iter()
            .any(|word| matches!(*word, "or" | "nor"))
    })
}

/// "Denies fever, chills or a fall": the denial reaches over the commas of a list that ends with an *or*.
fn denied_in_a_list(words: &[String], at: usize) -> bool {
    let plain = |word: &&String| word.as_str() == "," || !BREAKS.contains(&word.as_str());
    let ends_with_or = words[at..]
        .iter()
        .take_while(plain)
        .chain(words[..at].iter().rev().take_while(plain))
        .any(|word| word == "or" || word == "nor");
    ends_with_or
        && words[..at]
            .iter()
            .rev()
            .take_while(plain)
            .any(|word| matches!(word.as_str(), "denies" | "denied"))
}
