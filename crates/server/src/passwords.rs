//! What a password may be, after NIST SP 800-63B-4 (from memory): its length, and that nobody guesses it. Nothing about what it is made of.

use crate::validate::Faults;
use ritorno_wording::Value;
use unicode_normalization::UnicodeNormalization;

/// Characters at least, where a password is all that is asked for. Source: NIST SP 800-63B-4, from memory.
const FEWEST: usize = 15;
/// Characters at most (our choice; the source asks for 64 or more to be taken).
const MOST: usize = 128;
/// Letters of a name or password that are looked at when somebody signs in.
const TRIED: usize = 1024;
/// Guesses, as a power of ten, that a password must stand. Source: our choice; a list of thirty thousand common passwords, names, words,
/// rows of keys and repetitions comes with the estimate.
const STANDS_LOG10: f64 = 10.0;
/// A hash nobody's password fits: an unknown name takes as long as a wrong password.
const NOBODY: &str = "$argon2id$v=19$m=19456,t=2,p=1$c29tZXNhbHRzb21lc2FsdA$AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA";

/// A password as it is hashed: letters that look alike and are typed alike are the same.
pub(crate) fn plain(password: &str) -> String {
    password.nfkc().collect()
}

/// Whether something is longer than anybody's name or password.
pub(crate) fn too_long_to_try(text: &str) -> bool {
    text.len() > TRIED
}

/// The hash that a password is tried against; whoever has none takes as long.
pub(crate) fn hash_to_try(hash: Option<&str>) -> String {
    hash.filter(|hash| !hash.is_empty())
        .unwrap_or(NOBODY)
        .to_owned()
}

/// Whether somebody may have this password. It takes a while: not on a request thread.
pub(crate) fn check(faults: &mut Faults, field: &str, password: &str, who: [&str; 2]) {
    let plain = plain(password);
    let long = plain.chars().count();
    if long < FEWEST {
        let least = [("min", Value::Number(FEWEST as f64))];
        return faults.push(field, "password-short", &least);
    }
    if long > MOST {
        return faults.push(field, "too-long", &[("max", Value::Number(MOST as f64))]);
    }
    let known: Vec<&str> = who
        .into_iter()
        .flat_map(|text| text.split(|c: char| !c.is_alphanumeric()))
        .chain(who)
        .chain(["ritorno", "shoulder", "clinic"])
        .filter(|word| !word.is_empty())
        .collect();
    if zxcvbn::zxcvbn(&plain, &known).guesses_log10() < STANDS_LOG10 {
        faults.push(field, "password-guessed", &[]);
    }
}
