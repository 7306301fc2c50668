//! Two visits side by side: everything that was found on both days, with what the difference means.

use super::outcome::{instruments, score};
use crate::context::CheckContext;
use crate::facts::{Facts, StopReason, TestAnswer};
use crate::force::sets_on;
use crate::knowledge::Unit;
use crate::ranges::{ChangeWord, change_word, detectable, measurement_view};
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// What kind of thing a row compares.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Subject {
    /// A measured range.
    Range,
    /// Strength in a standard position, mean of the trials, newtons.
    Strength,
    /// An outcome score.
    Score,
    /// A clinical test.
    Test,
}

/// One thing on both days.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Compared {
    /// What kind.
    pub subject: Subject,
    /// Its id.
    pub id: String,
    /// On the earlier day; absent where it was not looked at.
    pub before: Option<TestAnswer>,
    /// On the later day.
    pub now: Option<TestAnswer>,
    /// Unit id of a number.
    pub unit: Option<String>,
    /// Smallest difference that is more than error.
    pub detectable: Option<f64>,
    /// What the difference means, where both numbers count and their error is known.
    pub word: Option<ChangeWord>,
    /// The difference is to the worse.
    pub worse: bool,
    /// At least one of the two is kept but not used: stopped at the permitted limit, over it, impossible.
    pub unused: bool,
}

/// Two days of an episode.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct VisitComparison {
    /// Every day on which something was found, newest first.
    pub days: Vec<NaiveDate>,
    /// The earlier of the two.
    pub before: Option<NaiveDate>,
    /// The later.
    pub now: Option<NaiveDate>,
    /// Ranges, strength, scores, tests, each in the order of the knowledge.
    pub rows: Vec<Compared>,
}

/// Compares two days; without dates the two newest. Of several findings of one day the newest counts.
///
/// A test's words are set side by side without a judgement: a changed answer of a hand test has no published error.
/// Source: change words as in [`change_word`]; the error of a strength mean is the clinic's bound on steadiness.
pub fn compare(
    ctx: &CheckContext,
    facts: &Facts,
    before: Option<NaiveDate>,
    now: Option<NaiveDate>,
) -> VisitComparison {
    let side = facts.story.side;
    let mut days: Vec<NaiveDate> = facts
        .measurements
        .iter()
        .filter(|r| r.side == side)
        .map(|r| r.on)
        .chain(
            facts
                .findings
                .iter()
                .filter(|f| f.side == side)
                .map(|f| f.on),
        )
        .chain(
            facts
                .strength
                .iter()
                .filter(|t| t.side == side)
                .map(|t| t.on),
        )
        .chain(facts.sheets.iter().map(|s| s.on))
        .collect();
    days.sort_unstable_by(|a, b| b.cmp(a));
    days.dedup();
    let now = now.or_else(|| days.first().copied());
    let before = before.or_else(|| days.iter().copied().find(|d| Some(*d) < now));
    let mut rows = Vec::new();
    let (Some(early), Some(late)) = (before, now) else {
        return VisitComparison {
            days,
            before,
            now,
            rows,
        };
    };
    let number = |value: f64| TestAnswer::Number { value };
    for q in &ctx.known.quantities {
        let on = |day| {
            facts
                .operated_measurements(&q.id)
                .rev()
                .find(|r| r.on == day)
        };
        let (a, b) = (on(early), on(late));
        let usable = a
            .into_iter()
            .chain(b)
            .all(|r| r.stop != StopReason::AtLimit && measurement_view(ctx, facts, r).usable());
        let limit = a
            .zip(b)
            .filter(|_| q.unit == Unit::Deg)
            .map(|(a, b)| detectable(ctx, facts, &q.id, b.alike(a)).0);
        let change = a.zip(b).map(|(a, b)| b.value - a.value);
        rows.push(Compared {
            subject: Subject::Range,
            id: q.id.clone(),
            before: a.map(|r| number(r.value)),
            now: b.map(|r| number(r.value)),
            unit: (q.unit == Unit::Deg).then(|| "deg".to_owned()),
            detectable: limit,
            word: limit
                .zip(change)
                .filter(|_| usable)
                .map(|(l, c)| change_word(c, l, ctx.known.threshold("worthwhile-change-deg"))),
            worse: usable && change.is_some_and(|c| c < 0.0),
            unused: !usable,
        });
    }
    for test in &ctx.known.strength {
        let on = |day| sets_on(ctx, facts, &test.id, side, day).and_then(|s| s.mean_n);
        let (a, b) = (on(early), on(late));
        let limit = a.map(|a| ctx.known.threshold("strength-variation-pct") / 100.0 * a);
        rows.push(Compared {
            subject: Subject::Strength,
            id: test.id.clone(),
            before: a.map(number),
            now: b.map(number),
            unit: Some("n".to_owned()),
            detectable: limit.filter(|_| b.is_some()),
            // What change of strength matters to a patient is not published for these positions: the error is all there is.
            word: a
                .zip(b)
                .zip(limit)
                .map(|((a, b), l)| change_word(b - a, l, l)),
            worse: a.zip(b).is_some_and(|(a, b)| b < a),
            unused: false,
        });
    }
    for view in instruments(&ctx.known.scores, &facts.sheets) {
        let on = |day| {
            let sheet = facts
                .sheets
                .iter()
                .rev()
                .find(|s| s.instrument == view.instrument.id && s.on == day)?;
            score(&view.instrument, &sheet.answers)
                .ok()
                .map(|s| s.value)
        };
        let (a, b) = (on(early), on(late));
        let change = a.zip(b).map(|(a, b)| b - a);
        rows.push(Compared {
            subject: Subject::Score,
            id: view.instrument.id.clone(),
            before: a.map(number),
            now: b.map(number),
            unit: None,
            detectable: view.detectable.filter(|_| change.is_some()),
            word: change
                .and_then(|c| Some(change_word(c, view.detectable?, view.instrument.important?))),
            worse: change.is_some_and(|c| {
                if view.instrument.more_is_better {
                    c < 0.0
                } else {
                    c > 0.0
                }
            }),
            unused: false,
        });
    }
    for test in &ctx.known.tests {
        let on = |day| {
            facts
                .findings
                .iter()
                .rev()
                .find(|f| f.test == test.id && f.side == side && f.on == day)
                .map(|f| f.answer)
        };
        rows.push(Compared {
            subject: Subject::Test,
            id: test.id.clone(),
            before: on(early),
            now: on(late),
            unit: test.unit.clone(),
            detectable: None,
            word: None,
            worse: false,
            unused: false,
        });
    }
    rows.retain(|r| r.before.is_some() || r.now.is_some());
    VisitComparison {
        days,
        before,
        now,
        rows,
    }
}
