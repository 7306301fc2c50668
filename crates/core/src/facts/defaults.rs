//! What a clinic sets for itself: what a new story begins with, until somebody says otherwise.

use super::opening::OpenHours;
use super::story::Story;
use crate::knowledge::{Knowledge, Pathway, School, Setting};
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// Questions that are asked whatever the pathway.
pub const EVERY_PATHWAY: &str = "every";

/// A clinic's defaults. They go into a story when it begins; stories that run keep what they began with.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClinicDefaults {
    /// What the clinic is called, on the sheet and on the patient's own page; nothing where nobody has said.
    #[serde(default)]
    pub clinic_name: String,
    /// The number that patients call.
    #[serde(default)]
    pub telephone: String,
    /// When somebody answers, in the clinic's words.
    #[serde(default)]
    pub hours: String,
    /// When somebody reads what is told from home: nothing where nobody has said.
    #[serde(default)]
    pub opening: Vec<OpenHours>,
    /// Where patients are seen: it sets pre-test probabilities.
    pub setting: Setting,
    /// Minutes a day that a program may take, where nothing else was asked.
    #[serde(default)]
    pub minutes_per_day: Option<u32>,
    /// Minutes that an appointment lasts.
    pub appointment_minutes: u32,
    /// What most people have at home, by kit id.
    pub kit: Vec<String>,
    /// What the clinic lends, by kit id.
    #[serde(default)]
    pub lent: Vec<String>,
    /// Schools that the clinic follows: by pathway, or [`EVERY_PATHWAY`], then by question.
    #[serde(default)]
    pub schools: BTreeMap<String, BTreeMap<String, String>>,
}

impl Default for ClinicDefaults {
    /// Before a clinic has said anything. Source: our choice.
    fn default() -> Self {
        ClinicDefaults {
            clinic_name: String::new(),
            telephone: String::new(),
            hours: String::new(),
            opening: Vec::new(),
            setting: Setting::Primary,
            minutes_per_day: None,
            appointment_minutes: 30,
            kit: ["bed", "table", "wall", "towel", "cloth"]
                .map(str::to_owned)
                .to_vec(),
            lent: Vec::new(),
            schools: BTreeMap::new(),
        }
    }
}

impl ClinicDefaults {
    /// What a new story begins with where nobody was asked: setting, minutes, kit.
    pub fn begin(&self, story: &mut Story) {
        story.setting = self.setting;
        story.minutes_per_day = story.minutes_per_day.or(self.minutes_per_day);
        for item in self.kit.iter().chain(&self.lent) {
            if !story.kit.contains(item) {
                story.kit.push(item.clone());
            }
        }
    }

    /// Gives a story the clinic's schools of its pathway, where none was chosen. A school that no longer stands in the
    /// knowledge is passed over.
    pub fn follow(&self, known: &Knowledge, story: &mut Story) {
        let Some(pathway) = known.pathways.get(&story.pathway) else {
            return;
        };
        for (of, schools) in [
            (pathway.column(), &pathway.schools),
            (EVERY_PATHWAY, &known.schools),
        ] {
            for (question, school) in self.schools.get(of).into_iter().flatten() {
                if asked(schools, question, school) {
                    story
                        .schools
                        .entry(question.clone())
                        .or_insert_with(|| school.clone());
                }
            }
        }
    }
}

fn asked(schools: &[School], question: &str, school: &str) -> bool {
    schools
        .iter()
        .any(|s| s.question == question && s.id == school)
}

/// The schools that clinics may follow under a key of [`ClinicDefaults::schools`]; none under a key that is no pathway.
pub fn schools_under<'a>(known: &'a Knowledge, key: &str) -> &'a [School] {
    if key == EVERY_PATHWAY {
        return &known.schools;
    }
    known
        .pathways
        .get(key)
        .map_or(&[], |pathway: &Pathway| &pathway.schools)
}
