//! Everything on record about one shoulder.

use super::beginning::Start;
use super::contact::{Appointment, Contact};
use super::examination::{ClinicError, ExamNote, TestAnswer, TestFinding};
use super::flag::{FlagAnswer, FlagRaise, FlagStep};
use super::home_hours::HomeHours;
use super::limit::{BreachAnswer, CeilingVerdict, SurgeonLimit};
use super::line::{GatePass, Line, LineStep};
use super::log::{LogEntry, WeekUse};
use super::measurement::Measurement;
use super::note::Written;
use super::push::StrengthTrial;
use super::score::{Attestation, Score};
use super::story::Story;
use crate::calendar::{EpisodeDay, episode_day};
use crate::knowledge::{Dose, Knowledge, Pace};
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use uuid::Uuid;

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
    /// The other words of the story in every version: its note, its work, what was said beside questions, complaint and health.
    pub story_words: Vec<Written>,
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
    pub sheets: Vec<super::score::Sheet>,
    /// The clinic's own errors of measurement, oldest first.
    pub clinic_errors: Vec<ClinicError>,
    /// The clinic's own elastics as it measured them, oldest first.
    pub elastics: Vec<super::elastic::Calibration>,
    /// What else the reading rests on, oldest first.
    pub exam_notes: Vec<ExamNote>,
    /// Scores, oldest first.
    pub scores: Vec<Score>,
    /// Attestations, oldest first.
    pub attestations: Vec<Attestation>,
    /// The home log, oldest first.
    pub log: Vec<LogEntry>,
    /// Since when the patient's own telephone may tell of home, where one was let in and still is.
    #[serde(default)]
    pub phone_since: Option<NaiveDate>,
    /// Weeks at home, told as a whole, oldest first.
    pub week_uses: Vec<WeekUse>,
    /// How contacts were held, oldest first.
    pub contacts: Vec<Contact>,
    /// The days and hours on which the patient exercises at home, where they said so.
    #[serde(default)]
    pub home_hours: Option<HomeHours>,
    /// Appointments, in the order in which they were made, cancelled ones left out.
    pub appointments: Vec<Appointment>,
    /// Gates passed, oldest first.
    pub gate_passes: Vec<GatePass>,
    /// The lines of the current program.
    pub lines: Vec<Line>,
    /// Exercises that were paused and resumed, oldest first.
    pub line_steps: Vec<LineStep>,
    /// Doses that the program of the other shoulder asks for today.
    pub other_doses: Vec<Dose>,
    /// The order in which records became known, by id.
    pub order: BTreeMap<Uuid, i64>,
    /// How measurements were judged when they were stored; the newest verdict of each.
    pub verdicts: Vec<CeilingVerdict>,
    /// What the surgeon said about measurements above a ceiling.
    pub breach_answers: Vec<BreachAnswer>,
}

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
            story_words: Vec::new(),
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
            phone_since: None,
            week_uses: Vec::new(),
            contacts: Vec::new(),
            home_hours: None,
            appointments: Vec::new(),
            gate_passes: Vec::new(),
            lines: Vec::new(),
            line_steps: Vec::new(),
            other_doses: Vec::new(),
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
    pub fn minutes_left(&self, pace: Pace) -> Option<f64> {
        let all = f64::from(self.story.minutes_per_day?);
        let taken = self.other_doses.iter().map(|d| d.day_minutes(pace));
        Some((all - taken.sum::<f64>()).max(0.0))
    }

    /// Whether one record was known when another was made; where the order is not on record it counts as known.
    pub fn knew(&self, earlier: Uuid, later: Uuid) -> bool {
        let order = self.order.get(&earlier).zip(self.order.get(&later));
        order.is_none_or(|(earlier, later)| earlier < later)
    }

    /// The newest lag on the affected side that counts as one: test and degrees.
    pub fn lag<'a>(&self, known: &'a Knowledge) -> Option<(&'a str, f64)> {
        let from_deg = known.threshold("lag-positive-deg");
        known.lag_tests().find_map(|test| {
            match self
                .findings
                .iter()
                .rev()
                .find(|f| f.test == test.id && f.side == self.story.side)?
                .answer
            {
                TestAnswer::Number { value } if value >= from_deg => {
                    Some((test.id.as_str(), value))
                }
                _ => None,
            }
        })
    }

    /// Whether the other shoulder heals from an operation itself, for so many days.
    pub fn other_side_heals(&self, days: f64) -> bool {
        self.other_operated_on.is_some_and(|on| {
            let since = (self.today - on).num_days();
            since >= 0 && (since as f64) < days
        })
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
