//! The story: who, which operation or trouble, what is at hand.

use super::beginning::{Complaint, OtherSide, Start};
use super::language::Language;
use crate::knowledge::Setting;
use crate::mechanics::Arm;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// The surgeon's go-ahead for movement.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Clearance {
    /// Role of the person who gave it, e.g. `surgeon`.
    pub role: String,
    /// The day the go-ahead was given.
    pub on: NaiveDate,
}

/// A task that matters to the patient, with how well it goes now.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Task {
    /// In the patient's words.
    pub label: String,
    /// 0 cannot, 10 as before.
    pub score: u8,
    /// The kind of movement it asks for, a need id; the builder works toward it.
    #[serde(default)]
    pub asks: Option<String>,
}

/// What happened and what was done.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Story {
    /// Pathway id, chosen by the procedure.
    pub pathway: String,
    /// The operated side.
    pub side: Arm,
    /// The day of surgery or injury; where it came by itself, of the first visit.
    pub day0: NaiveDate,
    /// What day 0 is the day of.
    #[serde(default)]
    pub start: Start,
    /// Where the patient is seen: it sets pre-test probabilities.
    #[serde(default = "first_contact")]
    pub setting: Setting,
    /// The main complaint.
    #[serde(default)]
    pub complaint: Option<Complaint>,
    /// Whether the other side may serve as a measure.
    #[serde(default)]
    pub other_side: OtherSide,
    /// Body mass in kilograms, where it is known.
    #[serde(default)]
    pub mass_kg: Option<f64>,
    /// Height in centimetres, where it is known.
    #[serde(default)]
    pub height_cm: Option<f64>,
    /// The stronger hand.
    pub dominant: Arm,
    /// How it happened, in the patient's words.
    pub mechanism: String,
    /// Work and what it demands.
    pub work: String,
    /// The surgeon's go-ahead, where there is one.
    pub clearance: Option<Clearance>,
    /// Whether the sling is worn as told.
    pub sling_worn: Option<bool>,
    /// General health that changes the plan, by id.
    pub health: Vec<String>,
    /// Tasks that matter.
    pub tasks: Vec<Task>,
    /// What is at hand at home, by id.
    pub kit: Vec<String>,
    /// Anything else; checked against the red flags.
    pub note: String,
    /// What else was done or is known, by modifier id.
    #[serde(default)]
    pub modifiers: Vec<String>,
    /// Schools chosen, by question; without a choice the default of the question holds.
    #[serde(default)]
    pub schools: BTreeMap<String, String>,
    /// Minutes a day that the patient has for exercises, where that was asked.
    #[serde(default)]
    pub minutes_per_day: Option<u32>,
    /// The heaviest load at work in kilograms, where that was asked.
    #[serde(default)]
    pub job_load_kg: Option<f64>,
    /// Hours a day with the arms above the shoulders, where that was asked.
    #[serde(default)]
    pub job_overhead_h: Option<f64>,
    /// Slips in a usual week, for a shoulder that is loose.
    #[serde(default)]
    pub slips_per_week: Option<u32>,
    /// What was said beside the red-flag questions; checked against them like every text.
    #[serde(default)]
    pub flag_words: String,
    /// What was said about the complaint.
    #[serde(default)]
    pub complaint_words: String,
    /// What was said about health.
    #[serde(default)]
    pub health_words: String,
    /// The language that the patient reads.
    #[serde(default)]
    pub reads: Language,
}

fn first_contact() -> Setting {
    Setting::Primary
}

impl Story {
    /// A story of which only the beginning is known.
    pub fn begun(pathway: &str, side: Arm, day0: NaiveDate, start: Start) -> Self {
        Story {
            pathway: pathway.to_owned(),
            side,
            day0,
            start,
            setting: first_contact(),
            complaint: None,
            other_side: OtherSide::NotKnown,
            mass_kg: None,
            height_cm: None,
            dominant: Arm::Right,
            mechanism: String::new(),
            work: String::new(),
            clearance: None,
            sling_worn: None,
            health: Vec::new(),
            tasks: Vec::new(),
            kit: Vec::new(),
            note: String::new(),
            modifiers: Vec::new(),
            schools: BTreeMap::new(),
            minutes_per_day: None,
            job_load_kg: None,
            job_overhead_h: None,
            slips_per_week: None,
            flag_words: String::new(),
            complaint_words: String::new(),
            health_words: String::new(),
            reads: Language::English,
        }
    }
}
