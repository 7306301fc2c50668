//! Scores and decisions worked out from findings: laxity, severity of instability, winging, performance.

use crate::calendar::age_years;
use crate::context::CheckContext;
use crate::facts::{ExamFact, Facts, OtherSide, Severity, TestAnswer};
use crate::knowledge::{Found, Knowledge};
use crate::ranges::in_conflict;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// One thing worked out, with its sentence.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WorkedOut {
    /// Id, a wording key.
    pub score: String,
    /// The value, where there is one.
    pub value: Option<f64>,
    /// What it says.
    pub reason: Reason,
    /// Reference id or plain source.
    pub source: String,
    /// What it proposes to note about the other side, where that is not noted yet.
    #[serde(default)]
    pub proposes: Option<OtherSide>,
}

/// The score from which joints count as generally loose at an age.
///
/// Source: Malfait 2017, from memory: 6 before puberty (here below 13), 5 until 50, 4 above.
pub fn laxity_bound(known: &Knowledge, age: u32) -> f64 {
    let from = |id: &str| f64::from(age) >= known.threshold(id);
    if from("laxity-older-from-years") {
        known.threshold("laxity-older")
    } else if from("laxity-grown-from-years") {
        known.threshold("laxity-adult")
    } else {
        known.threshold("laxity-child")
    }
}

/// Severity of instability, 0 to 10: points for a young age, competition, contact or forced overhead work, hyperlaxity, a notch in
/// the head, loss of the lower rim; each a threshold `severity-points-…`.
///
/// Source: Balg and Boileau 2007, from memory.
pub fn instability_severity(
    known: &Knowledge,
    age: u32,
    hyperlax: bool,
    answers: &[Severity],
) -> f64 {
    let young = f64::from(age) <= known.threshold("severity-young-age-years");
    let has = |s: Severity| answers.contains(&s);
    let parts = [
        (young, "severity-points-young"),
        (hyperlax, "severity-points-lax"),
        (has(Severity::Competition), "severity-points-competition"),
        (has(Severity::ContactOrOverhead), "severity-points-contact"),
        (has(Severity::HeadNotch), "severity-points-notch"),
        (has(Severity::RimLoss), "severity-points-rim"),
    ];
    let points = parts.iter().filter(|(holds, _)| *holds);
    points.map(|(_, id)| known.threshold(id)).sum()
}

/// Touches by height in inches. Source: Goldbeck and Davies 2000, from memory.
pub fn touches_by_height(touches: f64, height_cm: f64) -> f64 {
    touches / (height_cm / 2.54)
}

/// 0.68 of body mass in kilograms times touches, over 15 s: kg·touches/s. Source: as above.
pub fn touch_power(touches: f64, mass_kg: f64) -> f64 {
    0.68 * mass_kg * touches / 15.0
}

/// Everything that the findings on record allow to be worked out.
pub fn worked_out(ctx: &CheckContext, facts: &Facts) -> Vec<WorkedOut> {
    let mut out = Vec::new();
    let newest = |test: &str| {
        facts
            .findings
            .iter()
            .rev()
            .find(|f| f.test == test && f.side == facts.story.side)
            .map(|f| f.answer)
    };
    let number = |test: &str| match newest(test) {
        Some(TestAnswer::Number { value }) => Some(value),
        _ => None,
    };
    let age = age_years(facts.birth, facts.today).unwrap_or(0);
    let laxity = number("laxity-score");
    if let Some(score) = laxity {
        let bound = laxity_bound(ctx.known, age);
        let rule = if score >= bound {
            "laxity-general"
        } else {
            "laxity-usual"
        };
        out.push(WorkedOut {
            score: "laxity".into(),
            value: Some(score),
            reason: Reason::new(rule).with("score", score).with("limit", bound),
            source: "beighton-1973".into(),
            // A loose other side is no measure; one that heals or hurts stays what it is.
            proposes: (score >= bound
                && matches!(
                    facts.story.other_side,
                    OtherSide::Sound | OtherSide::NotKnown
                ))
            .then_some(OtherSide::Hypermobile),
        });
    }
    let answered: Vec<(Severity, bool)> = facts
        .exam_notes
        .iter()
        .filter_map(|n| match &n.fact {
            ExamFact::Instability { item, present } => Some((*item, *present)),
            _ => None,
        })
        .fold(
            std::collections::BTreeMap::new(),
            |mut newest, (item, present)| {
                newest.insert(item, present);
                newest
            },
        )
        .into_iter()
        .collect();
    if !answered.is_empty() {
        let present: Vec<Severity> = answered
            .iter()
            .filter(|(_, p)| *p)
            .map(|(s, _)| *s)
            .collect();
        let bound = |id: &str| ctx.known.threshold(id);
        let hyperlax = facts.story.other_side == OtherSide::Hypermobile
            || facts.newest("passive-er-side").is_some_and(|r| {
                r.value > bound("severity-lax-er-deg") && !in_conflict(ctx, facts, r)
            });
        let score = instability_severity(ctx.known, age, hyperlax, &present);
        let rule = if answered.len() < Severity::ALL.len() {
            "severity-incomplete"
        } else if score <= bound("severity-low-max") {
            "severity-low"
        } else if score <= bound("severity-middle-max") {
            "severity-middle"
        } else {
            "severity-high"
        };
        let reason = Reason::new(rule)
            .with("score", score)
            .with("n", answered.len() as f64)
            .with("of", Severity::ALL.len() as f64);
        out.push(WorkedOut {
            score: "instability-severity".into(),
            value: Some(score),
            reason,
            source: "balg-2007".into(),
            proposes: None,
        });
    }
    out.extend(winging(&newest).map(|reason| WorkedOut {
        score: "winging".into(),
        value: None,
        reason,
        source: "common practice, no published source".into(),
        proposes: None,
    }));
    let seen = ctx.known.tests.iter().filter_map(|test| {
        let means = test.means.as_ref()?;
        let there = matches!(
            newest(&test.id),
            Some(TestAnswer::Word {
                found: Found::Subtle | Found::Obvious
            })
        );
        there.then(|| WorkedOut {
            score: "raising-sign".into(),
            value: None,
            reason: Reason::new(means).with("test", test.id.as_str()),
            source: test.source.clone(),
            proposes: None,
        })
    });
    out.extend(seen);
    if let Some(touches) = number("closed-chain-touches") {
        if let Some(height) = facts.story.height_cm {
            let value = touches_by_height(touches, height);
            out.push(WorkedOut {
                score: "touches-by-height".into(),
                value: Some(value),
                reason: Reason::new("touches-by-height")
                    .with("score", (value * 1000.0).round() / 1000.0),
                source: "goldbeck-2000".into(),
                proposes: None,
            });
        }
        if let Some(mass) = facts.story.mass_kg {
            let value = touch_power(touches, mass);
            out.push(WorkedOut {
                score: "touch-power".into(),
                value: Some(value),
                reason: Reason::new("touch-power").with("score", (value * 10.0).round() / 10.0),
                source: "goldbeck-2000".into(),
                proposes: None,
            });
        }
    }
    if let Some(index) = number("pectoralis-minor-index") {
        let rule = if index <= ctx.known.threshold("pectoralis-minor-short") {
            "pectoralis-short"
        } else {
            "pectoralis-usual"
        };
        out.push(WorkedOut {
            score: "pectoralis-minor".into(),
            value: Some(index),
            reason: Reason::new(rule).with("score", index),
            source: "borstad-2005".into(),
            proposes: None,
        });
    }
    out
}

/// The same sign before and after one dose.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ResponseView {
    /// The sign.
    pub sign: String,
    /// What was done.
    pub dose: String,
    /// Pain before, 0 to 10.
    pub before: f64,
    /// Pain after, 0 to 10.
    pub after: f64,
    /// Better, same or worse.
    pub word: Found,
}

/// Today's within-session responses: so many points of ten are needed to call it a change.
///
/// Source: as for scapular assistance (Rabin 2006, from memory). A better sign speaks for what was done.
pub fn responses(ctx: &CheckContext, facts: &Facts) -> Vec<ResponseView> {
    let points = ctx.known.threshold("response-points");
    let today = facts.exam_notes.iter().filter(|n| n.on == facts.today);
    today
        .filter_map(|note| match &note.fact {
            ExamFact::Response {
                sign,
                dose,
                before,
                after,
            } => Some(ResponseView {
                sign: sign.clone(),
                dose: dose.clone(),
                before: *before,
                after: *after,
                word: if before - after >= points {
                    Found::Better
                } else if after - before >= points {
                    Found::Worse
                } else {
                    Found::Same
                },
            }),
            _ => None,
        })
        .collect()
}

/// What winging is worked on first: suspicion of the nerve, opposing tightness, rounding tightness, control, strength.
///
/// Source: common practice, no published source. The serratus is strengthened in every case.
fn winging(newest: &impl Fn(&str) -> Option<TestAnswer>) -> Option<Reason> {
    let is = |test: &str, found: &[Found]| matches!(newest(test), Some(TestAnswer::Word { found: f }) if found.contains(&f));
    let off = [Found::Subtle, Found::Obvious];
    let under_load = is("wall-push-winging", &off);
    let lowering = is("blade-lowering", &off);
    if is("long-thoracic-nerve", &[Found::Yes]) {
        return Some(Reason::new("winging-nerve"));
    }
    if !under_load && !lowering {
        return None;
    }
    let (opposing, rounded) = (
        is("winging-opposing-tightness", &off),
        is("rounded-shoulder", &[Found::Obvious]),
    );
    Some(match (opposing, rounded) {
        (true, _) => Reason::new("winging-opposing"),
        (false, true) => Reason::new("winging-rounding"),
        (false, false) if lowering && !under_load => Reason::new("winging-control"),
        (false, false) => Reason::new("winging-strength"),
    })
}
