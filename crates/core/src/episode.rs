//! What is on record about one operated shoulder: plain facts, no rules.

mod beginning;
mod examination;

pub use beginning::{Complaint, OtherSide, Start};
pub use examination::{
    ClinicError, Evidence, ExamFact, ExamNote, Injected, Severity, TestAnswer, TestFinding,
    TryOutWord, Vote,
};

use crate::calendar::{EpisodeDay, episode_day};
use crate::knowledge::{Dose, Setting};
use crate::mechanics::Arm;
use crate::strength::StrengthTrial;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
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
    /// Greatest permitted measurement.
    pub ceiling: f64,
    /// Measurement expected at least, where the surgeon wrote one.
    pub floor: Option<f64>,
    /// The day from which it holds; a release holds from its own date.
    #[serde(default)]
    pub from: Option<NaiveDate>,
    /// Holds through the day before this one; without it, until released.
    pub until_day: Option<EpisodeDay>,
    /// The day on which the surgeon is asked again; nothing ends by itself then.
    #[serde(default)]
    pub ask_again_day: Option<EpisodeDay>,
    /// Makes a looser value valid.
    pub release: Option<Release>,
    /// When its end was confirmed.
    pub ended_on: Option<NaiveDate>,
}

impl SurgeonLimit {
    /// The day from which it holds; without one it always did.
    pub fn starts_on(&self) -> Option<NaiveDate> {
        self.release.as_ref().map(|r| r.on).or(self.from)
    }
}

/// How a measurement was judged when it was stored. It is kept, because working it out anew would change with pathway and knowledge.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CeilingVerdict {
    /// The measurement.
    pub measurement: Uuid,
    /// The ceiling of its own date, in the quantity's unit; none where comfort was the guide or nothing was allowed.
    pub ceiling: Option<f64>,
    /// The rule that spoke, by id.
    pub whose: String,
    /// The surgeon's limit that it rests on.
    pub limit: Option<Uuid>,
    /// Whether it lay above.
    pub over: bool,
}

/// What the surgeon said about a measurement above the ceiling.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BreachAnswer {
    /// Id, made by the client.
    pub id: Uuid,
    /// The measurement above the ceiling.
    pub measurement: Uuid,
    /// When.
    pub on: NaiveDate,
    /// Who answered, by role.
    pub role: String,
    /// What was said.
    pub words: String,
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

/// What an answer of no rests on, when a text said otherwise.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Because {
    /// The text tells of the injury that is being treated.
    TreatedInjury,
    /// The feeling is coming back after a nerve block.
    WearingOff,
}

/// One answered question. A no closes nothing: what was raised leaves by what was done about it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagAnswer {
    /// Id, made by the client.
    pub id: Uuid,
    /// Flag id.
    pub flag: String,
    /// The answer.
    pub answer: Answer,
    /// When it was asked.
    pub on: NaiveDate,
    /// Passages of texts that were looked at when it was answered, by their cause keys.
    #[serde(default)]
    pub about: Vec<String>,
    /// What a no rests on, where a text said otherwise.
    #[serde(default)]
    pub because: Option<Because>,
}

/// What happened to a raised flag.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "step", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FlagStepKind {
    /// Something was done; everything stays paused, because "sent to hospital" is not yet safe.
    Acted {
        /// What, from the flag's own list.
        #[serde(default)]
        action: Option<String>,
        /// What, in words.
        #[serde(default)]
        words: String,
        /// Who was told.
        told: String,
    },
    /// There is an answer; what it names may go on.
    Answered {
        /// What came of it.
        result: String,
        /// Who says so.
        by: String,
        /// What may resume.
        resumes: String,
        /// A known loss may stand until then: it does not open again at every test, unless it grows.
        #[serde(default)]
        stands_until: Option<NaiveDate>,
    },
    /// It was entered by mistake.
    Mistake {
        /// Why.
        reason: String,
    },
}

/// A step on the way of a raised flag: open, acted on, answered. It names the causes it is about; what it does not name stays open.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagStep {
    /// Id, made by the client.
    pub id: Uuid,
    /// Flag id.
    pub flag: String,
    /// When.
    pub on: NaiveDate,
    /// What it is about, by cause keys.
    pub causes: Vec<String>,
    /// What happened.
    #[serde(flatten)]
    pub kind: FlagStepKind,
}

/// A flag that a rule raised when something was stored. It stays raised whatever the rule says later.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct FlagRaise {
    /// Flag id.
    pub flag: String,
    /// Cause key.
    pub cause: String,
    /// The day of what raised it.
    pub on: NaiveDate,
    /// What the rule said.
    pub reason: crate::reason::Reason,
}

/// A text that somebody wrote about the patient and signed or saved.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Written {
    /// The entry that holds it.
    pub id: Uuid,
    /// When.
    pub on: NaiveDate,
    /// The text.
    pub text: String,
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

/// Who took a measurement.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TakenBy {
    /// A clinician.
    Clinician,
    /// The patient, at home.
    Patient,
}

/// What a range was measured with.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Method {
    /// A goniometer.
    Goniometer,
    /// An inclinometer held against the arm.
    Inclinometer,
    /// Estimated by eye.
    ByEye,
    /// A stand-in of the demo invented it: shown as such, never evidence.
    Simulated,
}

/// One measured range. Append-only: a correction supersedes.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Measurement {
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
    /// With what it was measured, where that was said.
    #[serde(default)]
    pub method: Option<Method>,
    /// Which member of the clinic measured; set by the server from who is signed in, absent for the patient's own.
    #[serde(default)]
    pub rater: Option<Uuid>,
    /// Anything else about it, in words.
    #[serde(default)]
    pub remark: String,
}

impl Measurement {
    /// Whether two measurements share the person and the instrument, so that the smaller error of measurement holds.
    ///
    /// What was not recorded counts as the same. Source: our choice, because older measurements carry neither.
    pub fn alike(&self, other: &Measurement) -> bool {
        fn same<T: PartialEq>(a: Option<T>, b: Option<T>) -> bool {
            a.zip(b).is_none_or(|(a, b)| a == b)
        }
        self.by == other.by && same(self.rater, other.rater) && same(self.method, other.method)
    }
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
    /// A slip that is worse than usual.
    SlipWorse {
        /// In what way.
        how: SlipHow,
    },
    /// A bad day: the exercise was eased, and the day counts neither way.
    FlareDay,
    /// How hard it felt, 0 to 10.
    Effort {
        /// 0 to 10.
        value: f64,
    },
}

impl LogFact {
    /// Whether the joint slipped or nearly did, worse than usual or not.
    pub fn is_slip(&self) -> bool {
        matches!(self, LogFact::Slip | LogFact::SlipWorse { .. })
    }
}

/// In what way a slip was worse than usual.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SlipHow {
    /// It stays out.
    StaysOut,
    /// In a direction it never went.
    NewDirection,
    /// The hand or arm is numb.
    Numb,
    /// More often than usual.
    MoreOften,
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
    /// Anything else, in words.
    #[serde(default)]
    pub remark: String,
}

/// How much of a week at home was done, as it was told.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum UseHow {
    /// As planned.
    All,
    /// About half.
    Half,
    /// Hardly.
    Hardly,
}

/// A week at home, told as a whole. It counts for adherence only: never as days without symptoms, whole sessions or events.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekUse {
    /// Id, made by the client.
    pub id: Uuid,
    /// The last of its seven days.
    pub on: NaiveDate,
    /// How much.
    pub how: UseHow,
}

/// A gate that was passed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct GatePass {
    /// Id, made by the client.
    pub id: Uuid,
    /// Gate id.
    pub gate: String,
    /// When.
    pub on: NaiveDate,
    /// Criteria that were overridden, by id, each with its own reason.
    pub overridden: BTreeMap<String, String>,
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
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub to_day: EpisodeDay,
    /// How much.
    pub dose: Dose,
    /// Why a caution was accepted, where there was one.
    pub override_reason: Option<String>,
    /// Made or changed by a clinician: a re-run of the builder leaves it as it is.
    #[serde(default)]
    pub by_hand: bool,
}

/// An exercise that was paused, or let go on again. The newest step of an exercise counts.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineStep {
    /// Id.
    pub id: Uuid,
    /// Exercise id.
    pub exercise: String,
    /// When.
    pub on: NaiveDate,
    /// Paused, or going on again.
    pub paused: bool,
    /// The rule that stopped it, or why it may go on.
    pub reason: String,
}

/// Everything on record about one episode, as the rules read it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct Facts {
    /// The clinic's today.
    pub today: NaiveDate,
    /// Date of birth.
    pub birth: NaiveDate,
    /// The day of an operation of the other shoulder, where there was one.
    pub other_operated_on: Option<NaiveDate>,
    /// What happened.
    pub story: Story,
    /// The surgeon's limits, in the order in which they were written.
    pub limits: Vec<SurgeonLimit>,
    /// Answers to red-flag questions, oldest first.
    pub flag_answers: Vec<FlagAnswer>,
    /// What was done about raised flags, oldest first.
    pub flag_steps: Vec<FlagStep>,
    /// What rules raised when something was stored, oldest first.
    pub flag_raises: Vec<FlagRaise>,
    /// Signed notes and other texts, oldest first; the story's own stand in the story.
    pub texts: Vec<Written>,
    /// How the story told what happened, in every version: what was asked about stays asked about when the words change.
    pub story_mechanisms: Vec<Written>,
    /// The story's note in every version.
    pub story_notes: Vec<Written>,
    /// Measurements, oldest first, superseded ones left out.
    pub measurements: Vec<Measurement>,
    /// What a simulated device of the demo invented. Kept apart, so that no rule can rest on it.
    pub simulated: Vec<Measurement>,
    /// Pushes against a simulated device, kept apart likewise.
    pub simulated_strength: Vec<StrengthTrial>,
    /// Answered tests, oldest first, withdrawn ones left out.
    pub findings: Vec<TestFinding>,
    /// Pushes against a device, oldest first, withdrawn ones left out.
    pub strength: Vec<StrengthTrial>,
    /// Filled outcome sheets, oldest first, withdrawn ones left out.
    pub sheets: Vec<crate::outcome::Sheet>,
    /// The clinic's own errors of measurement, oldest first.
    pub clinic_errors: Vec<ClinicError>,
    /// The clinic's own elastics as it measured them, oldest first.
    pub elastics: Vec<crate::loading::Calibration>,
    /// What else the reading rests on, oldest first.
    pub exam_notes: Vec<ExamNote>,
    /// Scores, oldest first.
    pub scores: Vec<Score>,
    /// Attestations, oldest first.
    pub attestations: Vec<Attestation>,
    /// The home log, oldest first.
    pub log: Vec<LogEntry>,
    /// Weeks at home, told as a whole, oldest first.
    pub week_uses: Vec<WeekUse>,
    /// Gates passed, oldest first.
    pub gate_passes: Vec<GatePass>,
    /// The lines of the current program.
    pub lines: Vec<Line>,
    /// Exercises that were paused and resumed, oldest first.
    pub line_steps: Vec<LineStep>,
    /// Minutes a day that the program of the other shoulder takes.
    pub other_day_minutes: f64,
    /// The order in which records became known, by id.
    pub order: BTreeMap<Uuid, i64>,
    /// How measurements were judged when they were stored; the newest verdict of each.
    pub verdicts: Vec<CeilingVerdict>,
    /// What the surgeon said about measurements above a ceiling.
    pub breach_answers: Vec<BreachAnswer>,
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
        }
    }
}

/// Tests in which the arm is placed and drops back.
pub const LAG_TESTS: [&str; 3] = ["er-lag", "drop-sign", "ir-lag"];

impl Facts {
    /// A story with nothing on record yet.
    pub fn new(today: NaiveDate, birth: NaiveDate, story: Story) -> Self {
        Facts {
            today,
            birth,
            other_operated_on: None,
            story,
            limits: Vec::new(),
            flag_answers: Vec::new(),
            flag_steps: Vec::new(),
            flag_raises: Vec::new(),
            texts: Vec::new(),
            story_mechanisms: Vec::new(),
            story_notes: Vec::new(),
            measurements: Vec::new(),
            simulated: Vec::new(),
            simulated_strength: Vec::new(),
            findings: Vec::new(),
            strength: Vec::new(),
            sheets: Vec::new(),
            clinic_errors: Vec::new(),
            elastics: Vec::new(),
            exam_notes: Vec::new(),
            scores: Vec::new(),
            attestations: Vec::new(),
            log: Vec::new(),
            week_uses: Vec::new(),
            gate_passes: Vec::new(),
            lines: Vec::new(),
            line_steps: Vec::new(),
            other_day_minutes: 0.0,
            order: BTreeMap::new(),
            verdicts: Vec::new(),
            breach_answers: Vec::new(),
        }
    }

    /// The step that paused an exercise, while it is paused.
    pub fn paused(&self, exercise: &str) -> Option<&LineStep> {
        let mut steps = self.line_steps.iter().rev();
        steps.find(|s| s.exercise == exercise).filter(|s| s.paused)
    }

    /// Minutes a day that are left for this shoulder: two programs share one day.
    pub fn minutes_left(&self) -> Option<f64> {
        let all = f64::from(self.story.minutes_per_day?);
        Some((all - self.other_day_minutes).max(0.0))
    }

    /// Whether one record was known when another was made; where the order is not on record it counts as known.
    pub fn knew(&self, earlier: Uuid, later: Uuid) -> bool {
        let order = self.order.get(&earlier).zip(self.order.get(&later));
        order.is_none_or(|(earlier, later)| earlier < later)
    }

    /// The newest lag on the affected side that counts as one: test and degrees.
    pub fn lag(&self, from_deg: f64) -> Option<(&str, f64)> {
        LAG_TESTS.into_iter().find_map(|test| {
            match self
                .findings
                .iter()
                .rev()
                .find(|f| f.test == test && f.side == self.story.side)?
                .answer
            {
                TestAnswer::Number { value } if value >= from_deg => Some((test, value)),
                _ => None,
            }
        })
    }

    /// Whether the other shoulder heals from an operation itself: half a year. Source: our choice.
    pub fn other_side_heals(&self) -> bool {
        const HALF_A_YEAR: i64 = 182;
        self.other_operated_on
            .is_some_and(|on| (0..HALF_A_YEAR).contains(&(self.today - on).num_days()))
    }

    /// Today's episode day.
    pub fn day(&self) -> EpisodeDay {
        self.day_of(self.today)
    }

    /// The episode day of a date.
    pub fn day_of(&self, date: NaiveDate) -> EpisodeDay {
        episode_day(self.story.day0, date)
    }

    /// Whether this shoulder was operated on.
    pub fn operated(&self) -> bool {
        self.story.start == Start::Surgery
    }

    /// The newest measurement of a quantity on the affected side.
    pub fn newest(&self, quantity: &str) -> Option<&Measurement> {
        self.measurements
            .iter()
            .rev()
            .find(|r| r.quantity == quantity && r.side == self.story.side)
    }

    /// Measurements of one quantity on the affected side, oldest first.
    pub fn operated_measurements<'a>(
        &'a self,
        quantity: &'a str,
    ) -> impl DoubleEndedIterator<Item = &'a Measurement> {
        self.measurements
            .iter()
            .filter(move |r| r.quantity == quantity && r.side == self.story.side)
    }
}
