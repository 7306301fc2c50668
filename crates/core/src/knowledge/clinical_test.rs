//! Clinical tests, what they speak for, and how well: rows of `tests/`, `hypotheses.toml` and `clusters.toml`.

use super::exercise::Demand;
use super::pooled::{Pooled, pool};
use crate::confidence::Confidence;
use crate::mechanics::{KeyPose, Path};
use serde::{Deserialize, Serialize};

/// What kind of test it is; the kind fixes the answers.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TestKind {
    /// Provokes pain: the patient's own, another, none.
    Pain,
    /// Provokes pain whose place matters: on top (at the acromioclavicular joint) or deep.
    PlacedPain,
    /// Against resistance: strong or weak, painful or painless.
    Resisted,
    /// Provokes a fear of slipping; pain alone does not count.
    Apprehension,
    /// The degrees an arm falls back when let go.
    Lag,
    /// Looseness by grade, 0 to 3.
    Laxity,
    /// Found or not found.
    YesNo,
    /// Watched: normal, subtle, obvious.
    Observed,
    /// The same sign with a helping hand: better, same, worse.
    Change,
    /// A number in the row's unit.
    Measure,
}

/// What was found, in one word.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Found {
    /// The patient's own, known pain.
    Familiar,
    /// The patient's own pain, on top of the shoulder.
    FamiliarTop,
    /// The patient's own pain, deep or at the side.
    FamiliarDeep,
    /// Another pain.
    OtherPain,
    /// Nothing.
    Nothing,
    /// Strong and painless.
    StrongPainless,
    /// Strong and painful.
    StrongPainful,
    /// Weak and painless.
    WeakPainless,
    /// Weak and painful.
    WeakPainful,
    /// Fear of slipping.
    Apprehension,
    /// Pain without fear of slipping.
    PainOnly,
    /// Yes.
    Yes,
    /// No.
    No,
    /// As it should be.
    Normal,
    /// Slightly off.
    Subtle,
    /// Plainly off.
    Obvious,
    /// Better by 2 of 10 or more, or visibly stronger or freer.
    Better,
    /// No different.
    Same,
    /// Worse by 2 of 10 or more.
    Worse,
}

impl TestKind {
    /// The words that may answer, in the order of their keys; empty where a number answers.
    pub fn answers(self) -> &'static [Found] {
        use Found::*;
        match self {
            TestKind::Pain => &[Familiar, OtherPain, Nothing],
            TestKind::PlacedPain => &[FamiliarTop, FamiliarDeep, OtherPain, Nothing],
            TestKind::Resisted => &[StrongPainless, StrongPainful, WeakPainless, WeakPainful],
            TestKind::Apprehension => &[Apprehension, PainOnly, Nothing],
            TestKind::YesNo => &[Yes, No],
            TestKind::Observed => &[Normal, Subtle, Obvious],
            TestKind::Change => &[Better, Same, Worse],
            TestKind::Lag | TestKind::Laxity | TestKind::Measure => &[],
        }
    }
}

/// A range that a test needs before its answer means anything.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Need {
    /// Quantity id; an active measurement of the partner quantity serves as well.
    pub quantity: String,
    /// In the quantity's unit.
    pub at_least: f64,
    /// Speaks only where the range was measured; without a measurement the test is believed.
    #[serde(default)]
    pub when_measured: bool,
}

/// Where the counts of an accuracy row come from.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Counts {
    /// Given with the publication.
    Published,
    /// Only the total is known; the split is assumed.
    Effective,
}

/// How a measure of one side is held against the other.
#[derive(Debug, Clone, Copy, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct SideCompare {
    /// Whether a smaller number is the impaired one.
    pub less_is_worse: bool,
    /// Half-width of the error of one measurement, in the test's unit.
    pub error: f64,
}

/// How well one test speaks for one hypothesis. One row a test and hypothesis.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Accuracy {
    /// Hypothesis id.
    pub hypothesis: String,
    /// Dependence group id, of the same hypothesis.
    pub group: String,
    /// Words that count as positive.
    #[serde(default)]
    pub positive: Vec<Found>,
    /// Numbers from this on count as positive.
    #[serde(default)]
    pub positive_from: Option<f64>,
    /// Numbers below this count as negative; between the two they say nothing. Without it, all below the positive ones.
    #[serde(default)]
    pub negative_below: Option<f64>,
    /// Share positive among those with the condition, 0 to 1.
    pub sensitivity: f64,
    /// Share negative among those without it, 0 to 1.
    pub specificity: f64,
    /// How many with the condition.
    pub n_with: f64,
    /// How many without.
    pub n_without: f64,
    /// Where the counts come from.
    pub counts: Counts,
    /// Loading on the group's common cause; without one, √ρ of the group. Weaker tests carry less.
    #[serde(default)]
    pub loading: Option<f64>,
    /// Further studies of the same test; with the row's own they are pooled.
    #[serde(default)]
    pub studies: Vec<Study>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// What one more study found of a test.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Study {
    /// Share positive among those with the condition, 0 to 1.
    pub sensitivity: f64,
    /// Share negative among those without it, 0 to 1.
    pub specificity: f64,
    /// How many with the condition.
    pub n_with: f64,
    /// How many without.
    pub n_without: f64,
    /// Reference id.
    pub source: String,
}

impl Accuracy {
    /// Sensitivity of all studies together, with half an event added to each cell, so that 100 % never becomes certainty.
    pub fn point_sensitivity(&self) -> f64 {
        self.pooled_sensitivity().share
    }

    /// Share positive among those without the condition, of all studies together, with half an event added.
    pub fn point_false_positive(&self) -> f64 {
        self.pooled_false_positive().share
    }

    /// Shares positive with the condition, over the studies.
    pub fn pooled_sensitivity(&self) -> Pooled {
        let further = self.studies.iter().map(|s| (s.sensitivity, s.n_with));
        let all = std::iter::once((self.sensitivity, self.n_with)).chain(further);
        pool(&all.collect::<Vec<_>>())
    }

    /// Shares positive without the condition, over the studies.
    pub fn pooled_false_positive(&self) -> Pooled {
        let further = self
            .studies
            .iter()
            .map(|s| (1.0 - s.specificity, s.n_without));
        let all = std::iter::once((1.0 - self.specificity, self.n_without)).chain(further);
        pool(&all.collect::<Vec<_>>())
    }
}

/// One clinical test, measurement or observation.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct ClinicalTest {
    /// Stable id.
    pub id: String,
    /// Part of the examination, e.g. `cuff`.
    pub region: String,
    /// Kind.
    pub kind: TestKind,
    /// Body position, a wording key.
    pub position: String,
    /// Minutes it takes on one side.
    pub minutes: f64,
    /// How much it provokes: 0 nothing, 1 a little, 2 clearly, 3 may leave an ache.
    pub provocation: u8,
    /// Complaints whose fixed core it belongs to; `any` for all.
    #[serde(default)]
    pub core_for: Vec<String>,
    /// Place in the order of examination.
    pub order: u32,
    /// What it says when the sign is seen, a wording key of a reason; nothing about what it is likely to be.
    #[serde(default)]
    pub means: Option<String>,
    /// Ranges it needs.
    #[serde(default)]
    pub needs: Vec<Need>,
    /// An impingement sign: in a shoulder that has lost passive rotation and raising it says nothing.
    #[serde(default)]
    pub impingement: bool,
    /// Key poses of the examined arm, for the check against protection.
    #[serde(default)]
    pub path: Vec<KeyPose>,
    /// What it asks of the muscle groups.
    #[serde(default)]
    pub demand: Vec<Demand>,
    /// Declared features that are not modelled.
    #[serde(default)]
    pub tags: Vec<String>,
    /// Ways of doing it, as wording keys.
    #[serde(default)]
    pub variants: Vec<String>,
    /// Unit of a number, a wording key.
    #[serde(default)]
    pub unit: Option<String>,
    /// A measure that counts as an impairment when it differs from the other side.
    #[serde(default)]
    pub compare: Option<SideCompare>,
    /// Least possible number.
    #[serde(default)]
    pub min: Option<f64>,
    /// Greatest possible number.
    #[serde(default)]
    pub max: Option<f64>,
    /// How well it speaks for what.
    #[serde(default)]
    pub accuracy: Vec<Accuracy>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl ClinicalTest {
    /// The examined arm's path.
    pub fn path(&self) -> Path {
        Path {
            keys: self.path.iter().filter_map(KeyPose::pose).collect(),
        }
    }
}

/// Tests of one hypothesis that depend on each other given the truth.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct DependenceGroup {
    /// Stable id.
    pub id: String,
    /// Correlation of the hidden responses, 0 to 0.6; the same in both strata.
    pub rho: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A pre-test probability for some people. The first row that fits is used.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Prior {
    /// Where the patient is seen; any place without it.
    #[serde(default)]
    pub setting: Option<Setting>,
    /// Whether it began with an injury; either without it.
    #[serde(default)]
    pub trauma: Option<bool>,
    /// The main complaint; any without it.
    #[serde(default)]
    pub complaint: Option<String>,
    /// Whether both shoulders are looser than most; either without it.
    #[serde(default)]
    pub lax: Option<bool>,
    /// Youngest age in years.
    #[serde(default)]
    pub age_from: u32,
    /// The age in years from which it no longer fits.
    #[serde(default)]
    pub age_below: Option<u32>,
    /// The probability, strictly between 0 and 1.
    pub probability: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl Prior {
    /// How specific the row is: its conditions beside age, then how few years it leaves.
    pub fn specific(&self) -> (usize, std::cmp::Reverse<u32>) {
        let conditions = [
            self.setting.is_some(),
            self.trauma.is_some(),
            self.complaint.is_some(),
            self.lax.is_some(),
        ];
        // Nobody is that old: no upper age is no condition.
        let years = self.age_below.unwrap_or(200).saturating_sub(self.age_from);
        let said = conditions.into_iter().filter(|c| *c).count();
        (said, std::cmp::Reverse(years))
    }
}

/// Where a patient is seen.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Setting {
    /// First contact.
    Primary,
    /// Sent on to a shoulder clinic.
    Specialist,
}

/// One thing the shoulder may have. Hypotheses do not exclude each other.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Hypothesis {
    /// Stable id.
    pub id: String,
    /// Weight of being wrong, for the choice of the next test.
    pub consequence: f64,
    /// Place on the page.
    pub order: u32,
    /// It is about slipping: what the history says of a lax shoulder that slipped lately keeps it open.
    #[serde(default)]
    pub slips: bool,
    /// Pre-test probabilities, most specific first.
    pub prior: Vec<Prior>,
    /// Dependence groups.
    pub group: Vec<DependenceGroup>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// The published ratio of so many positive members.
#[derive(Debug, Clone, Copy, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct ClusterCell {
    /// How many of the members are positive.
    pub positive: usize,
    /// Likelihood ratio.
    pub ratio: f64,
    /// Share of those with the condition in this cell, 0 to 1, where it was published.
    #[serde(default)]
    pub with: Option<f64>,
    /// Share of those without it, where it was published.
    #[serde(default)]
    pub without: Option<f64>,
}

/// Tests that were studied together: when all of these are done, what was published of exactly so many positive ones takes the
/// place of what the model makes of them.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Cluster {
    /// Stable id.
    pub id: String,
    /// Hypothesis id.
    pub hypothesis: String,
    /// Its members.
    pub tests: Vec<String>,
    /// What was published of exactly so many positive members; nothing stands for a cell that nobody published.
    pub cells: Vec<ClusterCell>,
    /// How many with the condition were studied.
    #[serde(default)]
    pub n_with: Option<f64>,
    /// How many without it.
    #[serde(default)]
    pub n_without: Option<f64>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}
