//! What is on record about one operated shoulder: plain facts, no rules.

use crate::calendar::{PostOpDay, post_op_day};
use crate::knowledge::{Dose, Found, Setting};
use crate::mechanics::Arm;
use crate::strength::StrengthTrial;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// The surgeon's go-ahead for movement.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Clearance {
    /// Role of the person who gave it, e.g. `surgeon`.
    pub role: String,
    /// When.
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
}

/// How it began: what day 0 is the day of.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Start {
    /// An operation. There are no diagnostic probabilities for an operated shoulder.
    #[default]
    Surgery,
    /// An injury.
    Injury,
    /// It came by itself; day 0 is the first visit.
    Gradual,
}

/// The main complaint: it chooses the core of the examination.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Complaint {
    /// Pain on raising.
    Raising,
    /// The arm is weak.
    Weakness,
    /// It slips or is about to.
    Slipping,
    /// It is stiff.
    Stiffness,
    /// Pain on top.
    Top,
    /// Neck and arm.
    Neck,
}

impl Complaint {
    /// The word in the test rows.
    pub fn word(self) -> &'static str {
        match self {
            Complaint::Raising => "raising",
            Complaint::Weakness => "weakness",
            Complaint::Slipping => "slipping",
            Complaint::Stiffness => "stiffness",
            Complaint::Top => "top",
            Complaint::Neck => "neck",
        }
    }
}

/// Whether the other side may serve as a measure.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OtherSide {
    /// Nothing is known against it.
    #[default]
    Sound,
    /// It hurts or is stiff too.
    Affected,
    /// It was operated on.
    Operated,
    /// Both shoulders are looser than most.
    Hypermobile,
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
}

fn first_contact() -> Setting {
    Setting::Primary
}

/// Who let go of a limit, and when: a looser value is valid only with this.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Release {
    /// Role of the person, e.g. `surgeon`.
    pub role: String,
    /// Date of the release.
    pub on: NaiveDate,
}

/// A limit that the surgeon wrote.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SurgeonLimit {
    /// Id, made by the client.
    pub id: Uuid,
    /// Quantity id.
    pub quantity: String,
    /// Greatest permitted reading.
    pub ceiling: f64,
    /// Reading expected at least, where the surgeon wrote one.
    pub floor: Option<f64>,
    /// Holds through the day before this one; without it, until released.
    pub until_day: Option<PostOpDay>,
    /// Makes a looser value valid.
    pub release: Option<Release>,
    /// When its end was confirmed.
    pub ended_on: Option<NaiveDate>,
}

/// An answer to a red-flag question.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Answer {
    /// Yes.
    Yes,
    /// No.
    No,
}

/// One answered question; the latest answer of a flag counts.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagAnswer {
    /// Flag id.
    pub flag: String,
    /// The answer.
    pub answer: Answer,
    /// When it was asked.
    pub on: NaiveDate,
    /// Whether the clinician has looked at a contradicting note and keeps the answer.
    pub confirmed: bool,
}

/// What was done about a raised flag.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagAction {
    /// Flag id.
    pub flag: String,
    /// When.
    pub on: NaiveDate,
    /// What was done, and with whom.
    pub action: String,
    /// Whether the matter is closed and the program may go on.
    pub closed: bool,
}

/// Why a movement stopped.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum StopReason {
    /// Pain.
    Pain,
    /// A stiff end.
    Stiff,
    /// Weakness.
    Weak,
    /// A feeling of slipping.
    Slipping,
    /// The permitted limit: the shoulder could have gone further.
    AtLimit,
}

/// Who took a reading.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TakenBy {
    /// A clinician.
    Clinician,
    /// The patient, at home.
    Patient,
}

/// One measured range. Append-only: a correction supersedes.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reading {
    /// Id, made by the client.
    pub id: Uuid,
    /// Quantity id.
    pub quantity: String,
    /// Measured side.
    pub side: Arm,
    /// In the quantity's unit.
    pub value: f64,
    /// Why it stopped.
    pub stop: StopReason,
    /// Who measured.
    pub by: TakenBy,
    /// When.
    pub on: NaiveDate,
    /// Where pain began and ended on the way, where it did.
    #[serde(default)]
    pub arc: Option<PainArc>,
}

/// A painful arc.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PainArc {
    /// Where it began, in the quantity's unit.
    pub from: f64,
    /// Where it ended.
    pub to: f64,
}

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
    /// When.
    pub on: NaiveDate,
    /// Who examined, set by the server.
    #[serde(default)]
    pub rater: Uuid,
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
    /// The clinician's own pre-test probability.
    PreTest {
        /// Hypothesis id.
        hypothesis: String,
        /// Strictly between 0 and 1.
        probability: f64,
        /// Why.
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
    pub const ALL: [Severity; 4] = [Severity::Competition, Severity::ContactOrOverhead, Severity::HeadNotch, Severity::RimLoss];
}

/// How a try-out went.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TryOutWord {
    /// Clean.
    Clean,
    /// With faults to watch.
    Faults,
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
    /// When.
    pub on: NaiveDate,
    /// What.
    #[serde(flatten)]
    pub fact: ExamFact,
}

/// A number the patient gives, 0 to 10.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Score {
    /// Id, made by the client.
    pub id: Uuid,
    /// Score id, e.g. `rest-pain`.
    pub score: String,
    /// 0 to 10.
    pub value: f64,
    /// When.
    pub on: NaiveDate,
}

/// Something a person signs for.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Attestation {
    /// Id, made by the client.
    pub id: Uuid,
    /// What is attested.
    pub code: String,
    /// Whether it was found so.
    pub holds: bool,
    /// When.
    pub on: NaiveDate,
}

/// What a log entry says.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LogFact {
    /// Sessions of one exercise done on that day, with the repetitions of a set. A later entry for the same
    /// day and exercise corrects this one.
    Done {
        /// How many sessions.
        sessions: u32,
        /// Repetitions of each set, as done.
        repetitions: u32,
    },
    /// The exercise was left out on that day, said by the patient.
    LeftOut,
    /// Pain before exercising, 0 to 10.
    PainBefore {
        /// 0 to 10.
        value: f64,
    },
    /// Worst pain during, 0 to 10.
    PainDuring {
        /// 0 to 10.
        value: f64,
    },
    /// Pain the next morning, 0 to 10.
    PainNextMorning {
        /// 0 to 10.
        value: f64,
    },
    /// A feeling that the joint slipped or nearly slipped.
    Slip,
}

/// One event of the home log. Append-only, with an id made where it was entered.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LogEntry {
    /// Id, made by the client.
    pub id: Uuid,
    /// The day it speaks about.
    pub on: NaiveDate,
    /// Exercise id, where it speaks about one.
    pub exercise: Option<String>,
    /// What it says.
    #[serde(flatten)]
    pub fact: LogFact,
}

/// A gate that was passed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GatePass {
    /// Gate id.
    pub gate: String,
    /// When.
    pub on: NaiveDate,
    /// Criteria that were overridden, by id.
    pub overridden: Vec<String>,
    /// The reason for overriding, empty when nothing was.
    pub reason: String,
}

/// One exercise of a program from one day to another.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Line {
    /// Id.
    pub id: Uuid,
    /// Exercise id.
    pub exercise: String,
    /// First day.
    pub from_day: PostOpDay,
    /// The day after the last.
    pub to_day: PostOpDay,
    /// How much.
    pub dose: Dose,
    /// Why a caution was accepted, where there was one.
    pub override_reason: Option<String>,
}

/// Everything on record about one episode, as the rules read it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Facts {
    /// The clinic's today.
    pub today: NaiveDate,
    /// Date of birth.
    pub birth: NaiveDate,
    /// What happened.
    pub story: Story,
    /// The surgeon's limits, in the order in which they were written.
    pub limits: Vec<SurgeonLimit>,
    /// Answers to red-flag questions, oldest first.
    pub flag_answers: Vec<FlagAnswer>,
    /// What was done about raised flags, oldest first.
    pub flag_actions: Vec<FlagAction>,
    /// Readings, oldest first, superseded ones left out.
    pub readings: Vec<Reading>,
    /// Answered tests, oldest first, withdrawn ones left out.
    pub findings: Vec<TestFinding>,
    /// Pushes against a device, oldest first, withdrawn ones left out.
    pub strength: Vec<StrengthTrial>,
    /// The clinic's own errors of measurement, oldest first.
    pub clinic_errors: Vec<ClinicError>,
    /// What else the reading rests on, oldest first.
    pub exam_notes: Vec<ExamNote>,
    /// Scores, oldest first.
    pub scores: Vec<Score>,
    /// Attestations, oldest first.
    pub attestations: Vec<Attestation>,
    /// The home log, oldest first.
    pub log: Vec<LogEntry>,
    /// Gates passed, oldest first.
    pub gate_passes: Vec<GatePass>,
    /// The lines of the current program.
    pub lines: Vec<Line>,
}

impl Facts {
    /// Today's post-operative day.
    pub fn day(&self) -> PostOpDay {
        self.day_of(self.today)
    }

    /// The post-operative day of a date.
    pub fn day_of(&self, date: NaiveDate) -> PostOpDay {
        post_op_day(self.story.day0, date)
    }

    /// Whether this shoulder was operated on.
    pub fn operated(&self) -> bool {
        self.story.start == Start::Surgery
    }

    /// The newest reading of a quantity on the affected side.
    pub fn newest(&self, quantity: &str) -> Option<&Reading> {
        self.readings.iter().rev().find(|r| r.quantity == quantity && r.side == self.story.side)
    }

    /// Readings of one quantity on the affected side, oldest first.
    pub fn operated_readings<'a>(&'a self, quantity: &'a str) -> impl DoubleEndedIterator<Item = &'a Reading> {
        self.readings.iter().filter(move |r| r.quantity == quantity && r.side == self.story.side)
    }
}
