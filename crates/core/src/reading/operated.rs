//! An operated shoulder has no diagnostic probabilities: it is inside its corridor, too stiff, too far, or in trouble.

use crate::context::CheckContext;
use crate::facts::{Facts, TestAnswer};
use crate::flags::{FlagState, FlagView};
use crate::knowledge::{Knowledge, RaisedBy, RedFlag};
use crate::ranges::{calls, corridor_views};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// Where a sign stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SignState {
    /// Something speaks for it.
    Raised,
    /// Looked for and not found.
    Quiet,
    /// Not looked for yet.
    Unknown,
}

/// One thing an operated shoulder is watched for.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SignView {
    /// Id, a wording key.
    pub sign: String,
    /// Where it stands.
    pub state: SignState,
    /// What speaks for it.
    pub reasons: Vec<Reason>,
}

/// Signs that flags speak for, most urgent first: the `signs` of `red-flags.toml`.
fn signs_of_flags(known: &Knowledge) -> Vec<&str> {
    let mut out: Vec<&str> = Vec::new();
    for sign in known.red_flags.iter().flat_map(|f| &f.signs) {
        if !out.contains(&sign.as_str()) {
            out.push(sign);
        }
    }
    out
}

/// What the newest answer of a test says although its flag was dealt with: the sign is there as long as it is found.
fn still_found(facts: &Facts, flag: &RedFlag) -> Option<Reason> {
    flag.raised_by.iter().find_map(|row| {
        let RaisedBy::Finding { test, words, .. } = row else {
            return None;
        };
        let mut newest = facts.findings.iter().rev();
        let newest = newest.find(|f| &f.test == test && f.side == facts.story.side)?;
        let TestAnswer::Word { found } = newest.answer else {
            return None;
        };
        let day = facts.day_of(newest.on);
        (words.contains(&found)).then(|| Reason::new(&flag.rule()).with("day", day))
    })
}

/// Reads the state of an operated shoulder.
pub fn operated_state(ctx: &CheckContext, facts: &Facts, flags: &[FlagView]) -> Vec<SignView> {
    let quantities: Vec<&str> = ctx.rules.corridors.iter().map(|c| c.id.as_str()).collect();
    let spoken: Vec<Reason> = quantities
        .iter()
        .flat_map(|q| calls(ctx, facts, q))
        .collect();
    let measured = corridor_views(ctx, facts)
        .iter()
        .any(|c| !c.measurements.is_empty());
    let by_rule = |sign: &str, rules: &[&str]| {
        let reasons: Vec<Reason> = spoken
            .iter()
            .filter(|r| rules.contains(&r.rule.as_str()))
            .cloned()
            .collect();
        let state = match (reasons.is_empty(), measured) {
            (false, _) => SignState::Raised,
            (true, true) => SignState::Quiet,
            (true, false) => SignState::Unknown,
        };
        SignView {
            sign: sign.to_owned(),
            state,
            reasons,
        }
    };
    let mut out = vec![
        by_rule("too-far", &["measurement-over-ceiling"]),
        by_rule("too-stiff", &["measurement-below-floor"]),
        by_rule("range-lost", &["range-lost"]),
    ];
    for sign in signs_of_flags(ctx.known) {
        let speaks = |id: &str| {
            let row = ctx.known.red_flag(id);
            row.filter(|f| f.signs.iter().any(|s| s == sign))
        };
        let of_sign: Vec<&FlagView> = flags.iter().filter(|f| speaks(&f.flag).is_some()).collect();
        let mut reasons: Vec<Reason> = of_sign
            .iter()
            .filter(|f| f.open())
            .map(|f| {
                f.reason.clone().unwrap_or_else(|| {
                    Reason::new("flag-answered-yes").with("flag", f.flag.as_str())
                })
            })
            .collect();
        if reasons.is_empty() {
            let rows = ctx.known.red_flags.iter();
            let rows = rows.filter(|f| f.signs.iter().any(|s| s == sign));
            reasons.extend(rows.filter_map(|flag| still_found(facts, flag)));
        }
        let asked = of_sign
            .iter()
            .any(|f| f.asked && f.state != FlagState::NotAsked);
        let state = if !reasons.is_empty() {
            SignState::Raised
        } else if asked {
            SignState::Quiet
        } else {
            SignState::Unknown
        };
        out.push(SignView {
            sign: sign.to_owned(),
            state,
            reasons,
        });
    }
    out
}
