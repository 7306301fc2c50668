//! What the chosen schools say about how work is done, and which exercises they leave out.

use crate::knowledge::{Exercise, Helper, Level, Retest, School, SetStructure};
use std::collections::BTreeMap;

/// A cue of a school, told beside the exercises of its ladders.
#[derive(Debug, Clone, PartialEq)]
pub struct Cue {
    /// The cue, a wording key.
    pub id: String,
    /// Ladders it is told with.
    pub ladders: Vec<String>,
}

/// What the chosen schools say about how work is done.
#[derive(Debug, Clone, PartialEq, Default)]
pub struct Style {
    /// Most exercises at a time.
    pub max_lines: Option<usize>,
    /// Ladders that come first.
    pub lead: Vec<String>,
    /// Ladders and exercises that are left out, with the school.
    pub leave_out: BTreeMap<String, String>,
    /// Work with a load raises no higher than this in degrees, with the school.
    pub raise_most: Option<(f64, String)>,
    /// What loads where a rung can be had either way.
    pub prefer: Option<Helper>,
    /// What is said beside exercises.
    pub cues: Vec<Cue>,
    /// Sessions a day.
    pub times_per_day: Option<u32>,
    /// Days a week of strength work.
    pub days_per_week: Option<u32>,
    /// Sessions of strength work a day.
    pub strength_times_per_day: Option<u32>,
    /// When a painful movement is looked at before and after the first set.
    pub retest: Option<Retest>,
    /// How sets follow each other.
    pub structure: Option<SetStructure>,
    /// Repetitions and seconds of isometric holds.
    pub hold: Option<[u32; 2]>,
    /// Repetitions and seconds at the end of a stretched movement.
    pub end_range: Option<[u32; 2]>,
    /// Strength work with few heavy repetitions.
    pub heavy: bool,
    /// Greatest isometric effort in percent.
    pub effort_pct: Option<u32>,
}

impl Style {
    /// What the schools say together; of two that speak of the same thing the pathway's own comes first.
    pub(super) fn of(schools: &[&School]) -> Style {
        let mut out = Style::default();
        for s in schools {
            let named = |ids: &[String]| -> Vec<(String, String)> {
                ids.iter().map(|id| (id.clone(), s.id.clone())).collect()
            };
            out.max_lines = out.max_lines.or(s.max_lines);
            out.lead.extend(s.lead.iter().cloned());
            out.leave_out.extend(named(&s.leave_out));
            out.leave_out.extend(named(&s.leave_out_exercises));
            if out.raise_most.is_none() {
                out.raise_most = s.raise_most_deg.map(|deg| (deg, s.id.clone()));
            }
            out.prefer = out.prefer.or(s.prefer);
            out.cues.extend(s.cue.as_ref().map(|id| Cue {
                id: id.clone(),
                ladders: s.cue_ladders.clone(),
            }));
            out.times_per_day = out.times_per_day.or(s.times_per_day);
            out.days_per_week = out.days_per_week.or(s.days_per_week);
            out.strength_times_per_day = out.strength_times_per_day.or(s.strength_times_per_day);
            out.retest = out.retest.or(s.retest);
            out.structure = out.structure.or(s.structure);
            out.hold = out.hold.or(s.hold);
            out.end_range = out.end_range.or(s.end_range);
            out.heavy |= s.heavy;
            out.effort_pct = out.effort_pct.or(s.effort_pct);
        }
        out
    }

    /// The school that leaves an exercise out, if one does: its ladder, the exercise itself, or how high it raises a load.
    pub fn leaves_out(&self, exercise: &Exercise) -> Option<&str> {
        let named = self
            .leave_out
            .get(&exercise.ladder)
            .or_else(|| self.leave_out.get(&exercise.id));
        let high = self.raise_most.as_ref().filter(|(most, _)| {
            let mut poses = exercise.path.iter().filter_map(|key| key.pose());
            loads_the_raise(exercise) && poses.any(|pose| pose.elevation_deg > *most)
        });
        named
            .map(String::as_str)
            .or_else(|| high.map(|(_, school)| school.as_str()))
    }

    /// The cues told beside an exercise, as wording keys.
    pub fn cues_of<'a>(&'a self, exercise: &Exercise) -> Vec<&'a str> {
        let told = |cue: &&Cue| cue.ladders.contains(&exercise.ladder);
        self.cues
            .iter()
            .filter(told)
            .map(|cue| cue.id.as_str())
            .collect()
    }
}

/// Whether an exercise raises the arm against a load: a weight or an elastic that the cuff or the deltoid works against.
fn loads_the_raise(exercise: &Exercise) -> bool {
    use crate::knowledge::Group::{Cuff, Deltoid};
    let worked = [Cuff, Deltoid].map(|group| exercise.demand_on(group));
    matches!(
        exercise.helper,
        Helper::Weight | Helper::Elastic | Helper::Box
    ) && worked
        .into_iter()
        .any(|level| level >= Level::ResistedLight)
}
