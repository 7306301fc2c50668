//! An operated shoulder has no diagnostic probabilities: it is inside its corridor, too stiff, too far, or in trouble.

use crate::context::CheckContext;
use crate::facts::{Facts, TestAnswer};
use crate::flags::{FlagState, FlagView};
use crate::knowledge::Found;
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

/// Flags behind each sign that is asked about.
const ASKED: [(&str, &[&str]); 5] = [
    (
        "repair-trouble",
        &[
            "pop",
            "new-weakness",
            "active-loss",
            "active-passive-gap",
            "over-ceiling-sudden",
            "fall-back-range",
            "pathway-stop",
        ],
    ),
    ("infection", &["infection"]),
    ("nerve", &["new-weakness", "nerve-finding"]),
    ("regional-pain", &["regional-pain"]),
    ("stress-fracture", &["deformity", "blade-bone-pain"]),
];

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
    for (sign, ids) in ASKED {
        let of_sign: Vec<&FlagView> = flags
            .iter()
            .filter(|f| ids.contains(&f.flag.as_str()))
            .collect();
        let reasons: Vec<Reason> = of_sign
            .iter()
            .filter(|f| f.open())
            .map(|f| {
                f.reason.clone().unwrap_or_else(|| {
                    Reason::new("flag-answered-yes").with("flag", f.flag.as_str())
                })
            })
            .collect();
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
    let numb = facts
        .findings
        .iter()
        .rev()
        .find(|f| f.test == "axillary-sensation" && f.side == facts.story.side);
    if let (Some(nerve), Some(finding)) = (out.iter_mut().find(|s| s.sign == "nerve"), numb)
        && finding.answer == (TestAnswer::Word { found: Found::Yes })
        && nerve.reasons.is_empty()
    {
        nerve.state = SignState::Raised;
        nerve
            .reasons
            .push(Reason::new("flag-nerve-finding").with("day", facts.day_of(finding.on)));
    }
    out
}
