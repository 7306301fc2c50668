//! Questionnaires: number of items, scale and published formula; the wording belongs to its owners and is not here.

use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};

/// Consecutive items that are answered alike.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ScorePart {
    /// Wording key of the part.
    pub id: String,
    /// How many items.
    pub items: usize,
    /// Least answer.
    pub min: f64,
    /// Greatest answer.
    pub max: f64,
    /// Whether an answer may lie between two whole numbers: read from a line, or measured. Ticked boxes are whole.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub fractions: bool,
    /// How many of them may be missing.
    #[serde(default)]
    pub may_miss: usize,
    /// Unit of the answer where it is not points.
    #[serde(default)]
    pub unit: Option<String>,
    /// What the answers are worth, where that is not what they say.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub worth: Option<Worth>,
}

/// What an answer is worth in points.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Worth {
    /// Steps `[up to, points]`, rising; the last one is worth its points beyond it too.
    Steps(Vec<[f64; 2]>),
    /// A point for so many units, and the most points.
    PerPoint(f64, f64),
}

impl ScorePart {
    /// Whether an answer can be one: within its range, and whole where boxes are ticked.
    pub fn takes(&self, answer: f64) -> bool {
        let whole = answer.fract() == 0.0 || self.fractions || self.unit.is_some();
        (self.min..=self.max).contains(&answer) && whole
    }

    /// Points of the part's sum of answers.
    ///
    /// ```
    /// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
    /// let score = known.scores.iter().find(|s| s.id == "constant").expect("a row");
    /// let part = |id: &str| score.parts.iter().find(|p| p.id == id).expect("a part");
    /// assert_eq!(part("flexion").points(120.0), 6.0);
    /// assert_eq!(part("flexion").points(120.5), 8.0);
    /// // A point for each pound of force, at most 25.
    /// assert_eq!(part("strength").points(4.448_222), 1.0);
    /// assert_eq!(part("strength").points(500.0), 25.0);
    /// ```
    pub fn points(&self, sum: f64) -> f64 {
        match &self.worth {
            None => sum,
            Some(Worth::PerPoint(units, most)) => (sum / units).min(*most),
            Some(Worth::Steps(steps)) => {
                let step = steps.iter().find(|[up_to, _]| sum <= *up_to);
                step.or(steps.last()).map_or(0.0, |[_, points]| *points)
            }
        }
    }
}

/// How answers become a number.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Formula {
    /// Mean of the answered items, stretched from the item's range to 0 to 100.
    MeanStretched,
    /// Mean of the answered items as it is.
    Mean,
    /// Sum; a missing item counts as the mean of the answered.
    Sum,
    /// Each part in percent of the greatest sum its answered items allow; then the mean of the parts.
    MeanOfParts,
    /// 100 × (greatest sum − sum) / greatest sum.
    PercentKept,
    /// First part pain 0 to 10, second ten items 0 to 3: (10 − pain) × 5 + 5/3 × sum.
    PainAndFunction,
    /// Pain 30 − sum, satisfaction, and function as sum / (3 × answered) × 60.
    PainSatisfactionFunction,
    /// Three reaches and the length of the limb: 100 × sum of reaches / (3 × length).
    Reaches,
    /// Points by part, each worth what its row says: see [`ScorePart::points`].
    PainActivityRangeStrength,
}

/// One instrument.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Instrument {
    /// Stable id.
    pub id: String,
    /// Place in the list.
    pub order: u32,
    /// The parts, in the order of the sheet.
    pub parts: Vec<ScorePart>,
    /// How they become a number.
    pub formula: Formula,
    /// Least and greatest result.
    pub range: [f64; 2],
    /// Whether more is better.
    pub more_is_better: bool,
    /// Smallest detectable change, where published.
    #[serde(default)]
    pub detectable: Option<f64>,
    /// Confidence level of `detectable` in percent; all comparisons are made at 95.
    #[serde(default)]
    pub detectable_level: Option<f64>,
    /// Smallest change that matters to patients, where published.
    #[serde(default)]
    pub important: Option<f64>,
    /// Where the change values come from.
    #[serde(default)]
    pub change_source: Option<String>,
    /// How sure we are of the change values; recalled, not read.
    #[serde(default)]
    pub change_confidence: Option<Confidence>,
    /// Least and greatest smallest change that matters in other studies: where this stands, the figure is disputed.
    #[serde(default)]
    pub important_elsewhere: Option<[f64; 2]>,
    /// Least and greatest smallest detectable change in other studies.
    #[serde(default)]
    pub detectable_elsewhere: Option<[f64; 2]>,
    /// The change values were found in people with another complaint than a shoulder.
    #[serde(default)]
    pub not_shoulders: bool,
    /// The clinical test that it scores: what bars the test bars the sheet.
    #[serde(default)]
    pub test: Option<String>,
    /// What the missing-item rule rests on, where the owner publishes none: `published` or `our-choice`.
    pub missing_rule: String,
    /// Where the formula comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl Instrument {
    /// How many answers a sheet has.
    pub fn items(&self) -> usize {
        self.parts.iter().map(|p| p.items).sum()
    }

    /// The smallest detectable change at 95 %, from the published one at its own level (1.645 for 90 %, 1.96 for 95 %).
    pub fn detectable_95(&self) -> Option<f64> {
        let z = if self.detectable_level == Some(90.0) {
            1.645
        } else {
            1.96
        };
        self.detectable.map(|d| d * 1.96 / z)
    }
}
