//! Which findings may be used, and why the others may not.

use super::conditions::stiff_pattern;
use crate::context::CheckContext;
use crate::facts::{Facts, OtherSide, TestAnswer, TestFinding};
use crate::flags::derived_flags;
use crate::knowledge::{Accuracy, ClinicalTest, Found, Knowledge, Need};
use crate::mechanics::Arm;
use crate::ranges::in_conflict;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// The newest finding of a test on one side, with what keeps it from being used.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Weighed {
    /// The finding.
    pub finding: TestFinding,
    /// Why it changes no likelihood; `None` when it does.
    pub unused: Option<Reason>,
    /// The red flag that it raises: such a finding is used, whatever its likelihood.
    #[serde(default)]
    pub raises: Option<String>,
    /// Other findings of the same day on the same test and side, kept and shown.
    pub also: Vec<TestFinding>,
}

/// The newest finding of every test on `side`, in order of examination.
///
/// A repeat by the same person on the same day replaces; two people who differ on the same day are a
/// contradiction, and neither is used. What was not done or cannot be interpreted contributes nothing.
/// Source: our choice, because a doubtful answer must not move a probability.
pub fn weigh(ctx: &CheckContext, facts: &Facts, side: Arm) -> Vec<Weighed> {
    let own = side == facts.story.side;
    let stiff = own && stiff_pattern(ctx, facts).is_some();
    // Findings of the other side raise nothing here.
    let raised = if own {
        derived_flags(ctx, facts)
    } else {
        Vec::new()
    };
    let raises = |finding: &TestFinding| {
        let id = finding.id.to_string();
        let of = raised.iter().find(|d| d.key.split('+').any(|k| k == id));
        of.map(|d| d.flag.to_owned())
    };
    ctx.known
        .tests
        .iter()
        .filter_map(|test| {
            let of_test: Vec<&TestFinding> = facts
                .findings
                .iter()
                .filter(|f| f.test == test.id && f.side == side)
                .collect();
            let newest = *of_test.last()?;
            let same_day: Vec<&TestFinding> = of_test
                .iter()
                .copied()
                .filter(|f| f.on == newest.on && f.id != newest.id)
                .collect();
            // Of each other person only the last word of the day counts.
            let disagrees = same_day
                .iter()
                .rev()
                .filter(|f| f.rater != newest.rater)
                .any(|f| {
                    f.answer != newest.answer
                        && !same_day
                            .iter()
                            .rev()
                            .take_while(|g| g.id != f.id)
                            .any(|g| g.rater == f.rater)
                });
            let mixed_up = side != facts.story.side
                && facts.story.other_side == OtherSide::Sound
                && speaks_of_trouble(newest.answer);
            let unused = if mixed_up {
                Some(Reason::new("finding-on-sound-side").with("test", test.id.as_str()))
            } else if disagrees {
                Some(Reason::new("finding-contradicted").with("test", test.id.as_str()))
            } else if stiff && test.impingement {
                Some(stiff_says_nothing(test))
            } else {
                why_not(ctx, facts, test, newest)
            };
            Some(Weighed {
                raises: raises(newest),
                finding: newest.clone(),
                unused,
                also: same_day.into_iter().cloned().collect(),
            })
        })
        .collect()
}

/// Why an impingement sign is not interpretable in a stiff shoulder.
pub(super) fn stiff_says_nothing(test: &ClinicalTest) -> Reason {
    Reason::new("stiff-says-nothing").with("test", test.id.as_str())
}

/// An answer that nobody expects of a sound shoulder.
fn speaks_of_trouble(answer: TestAnswer) -> bool {
    use Found::{Apprehension, Familiar, FamiliarDeep, FamiliarTop, WeakPainful};
    matches!(
        answer,
        TestAnswer::Word {
            found: Apprehension | Familiar | FamiliarDeep | FamiliarTop | WeakPainful
        }
    )
}

fn why_not(
    ctx: &CheckContext,
    facts: &Facts,
    test: &ClinicalTest,
    finding: &TestFinding,
) -> Option<Reason> {
    let age = facts.day() - facts.day_of(finding.on);
    if f64::from(age) > ctx.known.threshold("finding-max-age-days") {
        return Some(
            Reason::new("finding-too-old")
                .with("test", test.id.as_str())
                .with("days", age),
        );
    }
    if finding.answer == TestAnswer::CouldNot {
        return Some(Reason::new("finding-not-done").with("test", test.id.as_str()));
    }
    test.needs
        .iter()
        .find_map(|need| unmet(ctx, facts, need, finding.side))
}

/// Why a need is not met on a side; an active measurement shows at least as much passive range.
pub fn unmet(ctx: &CheckContext, facts: &Facts, need: &Need, side: Arm) -> Option<Reason> {
    let quantity = ctx.known.quantity(&need.quantity)?;
    // What the arm did by itself before it was lifted last says nothing against that.
    let lifted = facts
        .measurements
        .iter()
        .rev()
        .find(|r| r.side == side && r.quantity == quantity.id)
        .map(|r| r.on);
    let reach = facts
        .measurements
        .iter()
        .filter(|r| {
            let own = r.quantity == quantity.id;
            let shows =
                quantity.shown_by.contains(&r.quantity) && lifted.is_none_or(|on| r.on >= on);
            r.side == side && (own || shows)
        })
        .filter(|r| {
            f64::from(facts.day() - facts.day_of(r.on))
                <= ctx.known.threshold("finding-max-age-days")
        })
        // What stands against another shows nothing. Of each quantity the newest, of those the greatest.
        .filter(|r| !in_conflict(ctx, facts, r))
        .fold(std::collections::BTreeMap::new(), |mut newest, r| {
            newest.insert(r.quantity.as_str(), r.value);
            newest
        })
        .into_values()
        .reduce(f64::max);
    let reason = |rule: &str| {
        Reason::new(rule)
            .with("quantity", quantity.id.as_str())
            .with("needs", need.at_least)
    };
    match reach {
        None if need.when_measured => None,
        None => Some(reason("needs-unmeasured-range")),
        Some(value) if value < need.at_least => Some(reason("needs-range").with("value", value)),
        Some(_) => None,
    }
}

/// Whether an answer counts as positive for a row; `None` when it contributes nothing.
pub fn positive(row: &Accuracy, answer: TestAnswer) -> Option<bool> {
    match answer {
        TestAnswer::Word { found } => Some(row.positive.contains(&found)),
        TestAnswer::Number { value } => row.positive_from.and_then(|from| {
            let negative = row.negative_below.unwrap_or(from);
            (value >= from || value < negative).then_some(value >= from)
        }),
        TestAnswer::CouldNot => None,
    }
}

/// Why an answer cannot belong to a test: the wrong kind of answer, or a number outside its bounds.
pub fn answer_fault(known: &Knowledge, test: &str, answer: TestAnswer) -> Option<Reason> {
    let Some(test) = known.test(test) else {
        return Some(Reason::new("no-such-test").with("test", test));
    };
    match answer {
        TestAnswer::CouldNot => None,
        TestAnswer::Word { found } => (!test.kind.answers().contains(&found))
            .then(|| Reason::new("answer-of-another-kind").with("test", test.id.as_str())),
        TestAnswer::Number { value } => match (test.min, test.max) {
            (Some(min), Some(max)) if (min..=max).contains(&value) => None,
            (Some(min), Some(max)) => Some(
                Reason::new("answer-outside")
                    .with("test", test.id.as_str())
                    .with("given", value)
                    .with("min", min)
                    .with("max", max),
            ),
            _ => Some(Reason::new("answer-of-another-kind").with("test", test.id.as_str())),
        },
    }
}
