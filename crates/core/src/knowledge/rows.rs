//! The small row types: references, quantities, red flags, general health, gate classes, thresholds.

use super::raise::RaisedBy;
use crate::confidence::Confidence;
use crate::mechanics::Attitude;
use serde::{Deserialize, Serialize};

/// A publication that rows point at. All were recalled, not read: `recalled` says so.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Reference {
    /// Stable id, e.g. `thigpen-2016`.
    pub id: String,
    /// First author, year, journal.
    pub citation: String,
    /// `from memory` until someone has checked it against the paper.
    pub recalled: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// The unit of a measured quantity.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Unit {
    /// Degrees.
    Deg,
    /// A reach level, ordinal.
    Level,
}

/// Who moves the arm.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Mode {
    /// Somebody or something else.
    Passive,
    /// The patient.
    Active,
}

/// A measured range.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Quantity {
    /// Stable id, e.g. `passive-elevation`.
    pub id: String,
    /// Who moves the arm.
    pub mode: Mode,
    /// Body position, as a wording key.
    pub position: String,
    /// Unit of the measurement.
    pub unit: Unit,
    /// Least possible measurement.
    pub min: f64,
    /// Greatest possible measurement.
    pub max: f64,
    /// A usual measurement of a healthy shoulder, for the dial's reference mark.
    pub reference: f64,
    /// Half-width of the measurement error drawn with a measurement, same rater.
    pub error: f64,
    /// After so many days a measurement is out of date.
    pub max_age_days: i32,
    /// Place in the order of examination.
    pub order: u32,
    /// The same movement measured the other way round (active against passive), where there is one.
    #[serde(default)]
    pub partner: Option<String>,
    /// Active measurements that show at least this much of it.
    #[serde(default)]
    pub shown_by: Vec<String>,
    /// After surgery, where a pathway has no corridor for it: measured only once this one's ceiling is gone.
    #[serde(default)]
    pub guard: Option<String>,
    /// Which movement it measures.
    #[serde(default)]
    pub movement: Movement,
    /// Threshold in its unit; so much lost since the last time calls for a look.
    #[serde(default)]
    pub loss: Option<String>,
    /// Lost with a stiff joint, so it counts for the pattern of one.
    #[serde(default)]
    pub stiff_plane: bool,
    /// The day list asks for it when it is out of date.
    #[serde(default)]
    pub kept_up: bool,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// The movement that a quantity measures.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Movement {
    /// Elevation, by whomever. All elevations are cut together.
    Elevation,
    /// Abduction.
    Abduction,
    /// External rotation.
    ExternalRotation,
    /// Any other.
    #[default]
    Other,
}

/// How fast a raised flag must be acted on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Tier {
    /// Call now.
    EmergencyNow,
    /// Seen today.
    SameDay,
    /// Seen within days.
    WithinDays,
    /// Ask the surgeon before going on.
    AskSurgeon,
}

/// A question that is asked before anything else, and what to do when the answer is yes.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct RedFlag {
    /// Stable id.
    pub id: String,
    /// How fast.
    pub tier: Tier,
    /// Whether it is asked (or only derived from findings).
    pub asked: bool,
    /// Pathways it is asked in; all when empty.
    #[serde(default)]
    pub pathways: Vec<String>,
    /// Only asked from this age on.
    #[serde(default)]
    pub from_age: Option<u32>,
    /// Whether the injury that is being treated may be what a text tells about.
    #[serde(default)]
    pub injury: bool,
    /// Hours after a nerve block in which it is asked whether the feeling is coming back, before it counts.
    #[serde(default)]
    pub block_hours: Option<u32>,
    /// Whether it stands on the patient's own page, to be tapped when it happens at home.
    #[serde(default)]
    pub at_home: bool,
    /// What may be done about it, by id; in other words too.
    #[serde(default)]
    pub actions: Vec<String>,
    /// Tests that belong to the core of the examination while it is open.
    #[serde(default)]
    pub tests: Vec<String>,
    /// A loss that is known may stand for a while: it does not open again at every test.
    #[serde(default)]
    pub may_stand: bool,
    /// What on record raises it by itself.
    #[serde(default)]
    pub raised_by: Vec<RaisedBy>,
    /// The rule whose sentence tells why records raised it; `flag-` and the id where it is not said.
    #[serde(default)]
    pub says: Option<String>,
    /// Signs of an operated shoulder that it speaks for.
    #[serde(default)]
    pub signs: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl RedFlag {
    /// The rule that tells why records raised it.
    pub fn rule(&self) -> String {
        let says = self.says.clone();
        says.unwrap_or_else(|| format!("flag-{}", self.id))
    }
}

/// General health that changes the plan.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct HealthItem {
    /// Stable id, e.g. `diabetes`.
    pub id: String,
    /// Weeks added to every strength gate (week 12 and later).
    #[serde(default)]
    pub strength_delay_weeks: i32,
    /// Holds by age alone above so many completed years, said or not.
    #[serde(default)]
    pub above_age_years: Option<u32>,
    /// Days after which a range measurement is out of date for this person, when sooner than usual.
    #[serde(default)]
    pub max_age_days: Option<i32>,
    /// A fit can put a shoulder out without an injury anybody saw: an arm that does not turn out is a flag here too.
    #[serde(default)]
    pub locked_arm: bool,
    /// Pain is felt more: where nothing heals by the calendar a new dose starts as for moderate irritability at least.
    #[serde(default)]
    pub starts_low: bool,
    /// A fall or a knock does more harm: quick work needs a reason.
    #[serde(default)]
    pub quick_caution: bool,
    /// Attitudes that this person cannot get into: exercises done in them are not planned.
    #[serde(default)]
    pub keeps_from: Vec<Attitude>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// What a reason is given for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ReasonFor {
    /// A decision about an exercise that is not the proposed one.
    Decision,
    /// A line with a caution.
    Line,
    /// A criterion of a gate that is overridden.
    Gate,
    /// A paused exercise that goes on.
    Resume,
    /// An entry that is taken back.
    TakeBack,
}

/// A reason that is given with one key; words may be added.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReasonRow {
    /// Stable id, e.g. `patient-wishes`; the catalogue names it.
    pub id: String,
    /// What it may be given for.
    pub uses: Vec<ReasonFor>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// The earliest completed week of a class of exercises, per pathway.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct GateClass {
    /// Stable id, e.g. `resisted-er-side`.
    pub id: String,
    /// Completed weeks by pathway id or by the id of a condition that modifies one.
    pub weeks: std::collections::BTreeMap<String, i32>,
    /// Pathways and conditions in which only a clinician opens it.
    #[serde(default)]
    pub clinician: Vec<String>,
    /// Pathways and conditions in which it is not used.
    #[serde(default)]
    pub never: Vec<String>,
    /// Where there is no healing clock: the phase in which it opens, by pathway; without an entry, the first.
    #[serde(default)]
    pub phases: std::collections::BTreeMap<String, u32>,
    /// Strength work: what delays strength delays it.
    #[serde(default)]
    pub strength: bool,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A number that a rule compares with.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Threshold {
    /// Stable id, e.g. `sudden-er-gain-deg`.
    pub id: String,
    /// The number, unit in the id.
    pub value: f64,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// What a number typed into a field may be at all.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Bound {
    /// The field's name, unit in the name, e.g. `mass_kg`.
    pub id: String,
    /// Least allowed.
    pub min: f64,
    /// Greatest allowed.
    pub max: f64,
    /// Places after the point that make sense.
    #[serde(default)]
    pub decimals: u32,
    /// The unit as it is shown, where there is one.
    #[serde(default)]
    pub unit: Option<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

impl Bound {
    /// Whether a value lies inside. A NaN never does.
    pub fn holds(&self, value: f64) -> bool {
        (self.min..=self.max).contains(&value)
    }
}

/// What answers a need: which ladders work on a measure that is impaired, or on what work asks for.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct NeedRow {
    /// The measure's id, or a need of work.
    pub id: String,
    /// Ladders that work on it, the best first.
    pub ladders: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// What a text may say that a flag must ask about, with its own examples.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct AskRow {
    /// Flag id.
    pub flag: String,
    /// Patterns, one of which must be there.
    pub any: Vec<String>,
    /// Phrases that silence it in the same sentence.
    #[serde(default)]
    pub unless: Vec<String>,
    /// Texts that must be asked about.
    pub fires: Vec<String>,
    /// Texts that must not.
    pub silent: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
    #[serde(skip)]
    pub(crate) patterns: Vec<super::pattern::Pattern>,
    #[serde(skip)]
    pub(crate) silencers: Vec<Vec<String>>,
}

impl AskRow {
    /// Reads its patterns.
    ///
    /// # Errors
    /// What is wrong with one of them.
    pub(crate) fn compile(&mut self) -> Result<(), String> {
        self.patterns = self
            .any
            .iter()
            .map(|text| super::pattern::Pattern::read(text))
            .collect::<Result<_, _>>()?;
        self.silencers = self
            .unless
            .iter()
            .map(|t| super::pattern::words(t))
            .collect();
        Ok(())
    }

    /// Whether a sentence, as words, must be asked about.
    pub fn fires_on(&self, words: &[String]) -> bool {
        let silenced = |phrase: &Vec<String>| {
            words
                .windows(phrase.len().max(1))
                .any(|w| w == phrase.as_slice())
        };
        self.patterns.iter().any(|p| p.fires_on(words)) && !self.silencers.iter().any(silenced)
    }
}
