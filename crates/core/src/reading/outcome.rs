//! Outcome scores: from the answers on a questionnaire sheet to the published number, or to the reason why there is none.
//!
//! The wording of the items belongs to their owners and is not here: the patient answers on the licensed sheet, and only the
//! ticked numbers are entered. Formulas and missing-item rules are rows of `knowledge/scores.toml`.

use super::next::barred;
use crate::context::CheckContext;
use crate::facts::{Facts, Sheet};
use crate::knowledge::{Formula, Instrument, ScorePart};
use crate::ranges::{ChangeWord, change_word};
use crate::reason::Reason;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// What a sheet comes to.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Scored {
    /// The number.
    pub value: f64,
    /// The parts' own numbers, where the formula has them.
    pub parts: Vec<PartScore>,
}

/// A part's own number.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PartScore {
    /// Part id.
    pub part: String,
    /// Its number.
    pub value: f64,
}

fn named(parts: &[(&str, f64)]) -> Vec<PartScore> {
    parts
        .iter()
        .map(|(part, value)| PartScore {
            part: (*part).to_owned(),
            value: *value,
        })
        .collect()
}

fn total_of(parts: &[PartScore]) -> f64 {
    parts.iter().map(|p| p.value).sum()
}

/// Scores one sheet.
///
/// ```
/// use ritorno_core::reading::score;
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let row = known.scores.iter().find(|r| r.id == "quickdash").expect("a row");
/// let items: usize = row.parts.iter().map(|p| p.items).sum();
/// // The least of every item is no disability at all.
/// let best = vec![Some(1.0); items];
/// assert_eq!(score(row, &best).expect("complete").value, 0.0);
/// // One item may be missing, two may not: then there is a reason instead of a number.
/// let mut missing = best.clone();
/// missing[0] = None;
/// assert!(score(row, &missing).is_ok());
/// missing[1] = None;
/// assert!(score(row, &missing).is_err());
/// ```
///
/// # Errors
/// The reason why there is no score: more missing than the rule of the instrument allows. Answers outside their range and a
/// wrong number of answers are refused before, by [`faults`].
pub fn score(instrument: &Instrument, answers: &[Option<f64>]) -> Result<Scored, Reason> {
    let mut rest = answers;
    let mut parts: Vec<(&ScorePart, Vec<f64>)> = Vec::new();
    for part in &instrument.parts {
        let (own, after) = rest.split_at(part.items.min(rest.len()));
        rest = after;
        let given: Vec<f64> = own.iter().flatten().copied().collect();
        let missing = part.items - given.len();
        if missing > part.may_miss {
            return Err(Reason::new("score-too-few")
                .with("part", part.id.as_str())
                .with("missing", missing as f64)
                .with("limit", part.may_miss as f64));
        }
        parts.push((part, given));
    }
    let sum = |i: usize| {
        parts
            .get(i)
            .map_or(0.0, |(_, given)| given.iter().sum::<f64>())
    };
    let answered: f64 = parts.iter().map(|(_, given)| given.len() as f64).sum();
    let total: f64 = parts.iter().flat_map(|(_, given)| given).sum();
    let greatest: f64 = parts.iter().map(|(p, _)| p.max * p.items as f64).sum();
    let mut of_parts = Vec::new();
    let value = match instrument.formula {
        Formula::MeanStretched => {
            let (min, max) = instrument
                .parts
                .first()
                .map_or((0.0, 1.0), |p| (p.min, p.max));
            100.0 * (total / answered - min) / (max - min)
        }
        Formula::Mean => total / answered,
        Formula::Sum => parts
            .iter()
            .map(|(p, given)| given.iter().sum::<f64>() * p.items as f64 / given.len() as f64)
            .sum(),
        Formula::MeanOfParts => {
            of_parts = parts
                .iter()
                .map(|(p, given)| PartScore {
                    part: p.id.clone(),
                    value: 100.0 * given.iter().sum::<f64>() / (p.max * given.len() as f64),
                })
                .collect();
            total_of(&of_parts) / of_parts.len() as f64
        }
        Formula::PercentKept => 100.0 * (greatest - total) / greatest,
        Formula::Reaches => 100.0 * sum(0) / (3.0 * sum(1)),
        Formula::PainAndFunction => {
            of_parts = named(&[
                ("pain", (10.0 - sum(0)) * 5.0),
                ("function", sum(1) * 5.0 / 3.0),
            ]);
            total_of(&of_parts)
        }
        Formula::PainSatisfactionFunction => {
            let function = parts.get(2).map_or(0.0, |(_, given)| {
                60.0 * given.iter().sum::<f64>() / (3.0 * given.len() as f64)
            });
            of_parts = named(&[
                ("pain", 30.0 - sum(0)),
                ("satisfaction", sum(1)),
                ("function", function),
            ]);
            total_of(&of_parts)
        }
        Formula::PainActivityRangeStrength => {
            let points = |i: usize| parts.get(i).map_or(0.0, |(p, _)| p.points(sum(i)));
            let activity: f64 = (1..5).map(points).sum();
            let motion: f64 = (5..9).map(points).sum();
            of_parts = named(&[
                ("pain", points(0)),
                ("activity", activity),
                ("motion", motion),
                ("strength", points(9)),
            ]);
            total_of(&of_parts)
        }
    };
    Ok(Scored {
        value,
        parts: of_parts,
    })
}

/// An answer that cannot be one.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct BadAnswer {
    /// Its place on the sheet, from 1.
    pub place: usize,
    /// The least answer.
    pub min: f64,
    /// The greatest answer.
    pub max: f64,
    /// What was given.
    pub given: f64,
}

impl BadAnswer {
    /// Whether it lies within its range, only not on a whole number.
    pub fn is_fraction(&self) -> bool {
        (self.min..=self.max).contains(&self.given)
    }
}

/// The first answer that cannot be one.
pub fn faults(instrument: &Instrument, answers: &[Option<f64>]) -> Option<BadAnswer> {
    let parts = instrument
        .parts
        .iter()
        .flat_map(|p| std::iter::repeat_n(p, p.items));
    answers
        .iter()
        .zip(parts)
        .enumerate()
        .find_map(|(i, (answer, part))| {
            answer.filter(|a| !part.takes(*a)).map(|given| BadAnswer {
                place: i + 1,
                min: part.min,
                max: part.max,
                given,
            })
        })
}

/// One sheet with its result.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SheetView {
    /// Id.
    pub id: Uuid,
    /// The day the sheet was filled in.
    pub on: NaiveDate,
    /// What it comes to; absent when the rule allows no score.
    pub scored: Option<Scored>,
    /// Why there is none.
    pub refused: Option<Reason>,
    /// The change against the sheet before it, more is better or worse as the instrument says.
    pub change: Option<f64>,
    /// Its word, where a detectable and an important change are known.
    pub word: Option<ChangeWord>,
    /// The change is to the worse.
    pub worse: bool,
}

/// An instrument with its sheets, oldest first.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct InstrumentView {
    /// The instrument.
    pub instrument: Instrument,
    /// Smallest detectable change at 95 %.
    pub detectable: Option<f64>,
    /// What protection has against it today.
    pub barred: Vec<Reason>,
    /// Its sheets.
    pub sheets: Vec<SheetView>,
}

/// All instruments with what was filled in.
pub fn instruments(rows: &[Instrument], sheets: &[Sheet]) -> Vec<InstrumentView> {
    rows.iter()
        .map(|row| {
            let mut before: Option<f64> = None;
            let views = sheets
                .iter()
                .filter(|s| s.instrument == row.id)
                .map(|sheet| {
                    let (scored, refused) = match score(row, &sheet.answers) {
                        Ok(scored) => (Some(scored), None),
                        Err(reason) => (None, Some(reason)),
                    };
                    let change = scored.as_ref().zip(before).map(|(s, b)| s.value - b);
                    before = scored.as_ref().map(|s| s.value).or(before);
                    SheetView {
                        id: sheet.id,
                        on: sheet.on,
                        scored,
                        refused,
                        change,
                        word: change.and_then(|c| {
                            Some(change_word(c, row.detectable_95()?, row.important?))
                        }),
                        worse: change
                            .is_some_and(|c| if row.more_is_better { c < 0.0 } else { c > 0.0 }),
                    }
                })
                .collect();
            InstrumentView {
                instrument: row.clone(),
                detectable: row.detectable_95(),
                barred: Vec::new(),
                sheets: views,
            }
        })
        .collect()
}

/// All instruments of an episode, with what protection bars today.
pub fn outcome_page(ctx: &CheckContext, facts: &Facts) -> Vec<InstrumentView> {
    let mut views = instruments(&ctx.known.scores, &facts.sheets);
    for view in &mut views {
        if let Some(test) = view
            .instrument
            .test
            .as_ref()
            .and_then(|id| ctx.known.test(id))
        {
            view.barred = barred(ctx, facts, test);
        }
    }
    views
}
