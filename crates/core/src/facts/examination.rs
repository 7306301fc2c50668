//! What an examination leaves on record: answered tests, votes, imaging, responses, the clinic's own errors.

use crate::knowledge::Found;
use crate::mechanics::Arm;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// The answer to a clinical test.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TestAnswer {
    /// In one word.
    Word {
        /// The word.
        found: Found,
    },
    /// As a number in the test's unit.
    Number {
        /// The number.
        value: f64,
    },
    /// Tried and could not be done. Never a negative.
    CouldNot,
}

/// One answered test. Append-only: an undo withdraws.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TestFinding {
    /// Id, made by the client.
    pub id: Uuid,
    /// Test id.
    pub test: String,
    /// Examined side.
    pub side: Arm,
    /// What was found.
    pub answer: TestAnswer,
    /// Way of doing it, where the row names several.
    #[serde(default)]
    pub variant: Option<String>,
    /// The day of the examination.
    pub on: NaiveDate,
    /// Who examined, set by the server.
    #[serde(default)]
    pub rater: Uuid,
    /// Anything else about it, in words.
    #[serde(default)]
    pub remark: String,
}

/// What else the reading rests on: votes on irritability, what is known from imaging, the clinician's own pre-test probability.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ExamFact {
    /// One vote on irritability.
    Irritability {
        /// Which question.
        question: Vote,
        /// Worst pain 0 to 10; every other question 0 low, 1 moderate, 2 high.
        value: f64,
    },
    /// A radiograph, a scan or an operation has shown it or excluded it: that ends the guessing.
    Known {
        /// Hypothesis or condition id.
        about: String,
        /// Shown, or excluded.
        present: bool,
        /// What showed it.
        by: Evidence,
    },
    /// One question on the severity of instability.
    Instability {
        /// Which.
        item: Severity,
        /// Yes or no.
        present: bool,
    },
    /// The same sign before and after one dose of something, in the room.
    Response {
        /// The sign: a test or an exercise id.
        sign: String,
        /// What was done, an exercise id or free words.
        dose: String,
        /// Pain before, 0 to 10.
        before: f64,
        /// Pain after, 0 to 10.
        after: f64,
    },
    /// Five repetitions of a new exercise, in the room.
    TryOut {
        /// Exercise id.
        exercise: String,
        /// How it went.
        went: TryOutWord,
    },
    /// A limit was shown in the room: so many degrees are there at home.
    Landmark {
        /// The movement.
        quantity: String,
        /// How far the arm was moved, in degrees.
        degrees: f64,
        /// What that is at home, in the patient's words.
        words: String,
    },
    /// A pathway is kept although the findings speak against it.
    PathwayKept {
        /// Pathway id.
        pathway: String,
        /// The reason, in words.
        reason: String,
    },
    /// A medicine was injected into or around this shoulder, on the day of the note.
    Injection {
        /// The substance that was injected.
        what: Injected,
    },
    /// The clinician's own pre-test probability.
    PreTest {
        /// Hypothesis id.
        hypothesis: String,
        /// Strictly between 0 and 1.
        probability: f64,
        /// The reason, in words.
        reason: String,
    },
}

/// A question on the severity of instability; age and looseness are known already.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Severity {
    /// Competition sport.
    Competition,
    /// Contact or forced overhead sport or work.
    ContactOrOverhead,
    /// A notch in the head on the radiograph.
    HeadNotch,
    /// Lost contour of the lower rim on the radiograph.
    RimLoss,
}

impl Severity {
    /// All of them.
    pub const ALL: [Severity; 4] = [
        Severity::Competition,
        Severity::ContactOrOverhead,
        Severity::HeadNotch,
        Severity::RimLoss,
    ];
}

/// What was injected.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Injected {
    /// A steroid.
    Steroid,
    /// Anything else.
    Other,
}

/// How a try-out went.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TryOutWord {
    /// Clean.
    Clean,
    /// It ached, and the ache fell while it went on: a sign to keep it.
    Eases,
    /// With faults to watch.
    Faults,
    /// Felt in the wrong place: reset, cue, and once more.
    Elsewhere,
    /// It hurt.
    Pain,
    /// Too hard.
    TooHard,
}

/// The clinic's own error of a quantity, from its reliability bench.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClinicError {
    /// Quantity id.
    pub quantity: String,
    /// Standard error of one measurement by any rater.
    pub sem: f64,
    /// Standard error of one measurement by the same rater.
    pub sem_same_rater: f64,
    /// When it was measured.
    pub on: NaiveDate,
}

/// A question on irritability.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Vote {
    /// Worst pain, 0 to 10.
    WorstPain,
    /// Night or rest pain: 2 constant, 1 intermittent, 0 none.
    Night,
    /// Pain with motion: 2 before the end, 1 at the end, 0 only with overpressure.
    EndRange,
    /// Disability: 2 high, 1 moderate, 0 low.
    Disability,
    /// Ache after provocation: 2 longer than a day, 1 hours, 0 minutes.
    Ache,
}

/// What showed it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Evidence {
    /// Radiograph.
    Radiograph,
    /// Ultrasound.
    Ultrasound,
    /// Magnetic resonance.
    Mri,
    /// Seen at operation.
    Operation,
}

/// One such fact; the newest about the same thing counts.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ExamNote {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day of the examination.
    pub on: NaiveDate,
    /// The fact that was noted.
    #[serde(flatten)]
    pub fact: ExamFact,
}
