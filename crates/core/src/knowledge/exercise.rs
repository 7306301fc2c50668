//! Exercises: path, demand, dose.

use super::kept::Kept;
use super::picture::{Cue, OtherArm, WallSide};
use super::school::SetStructure;
use crate::confidence::Confidence;
use crate::mechanics::{AnchorSide, Attitude, KeyPose, Load, Path, Track};
use serde::{Deserialize, Serialize};
use std::sync::{Arc, OnceLock};

/// A muscle group as the allowances name it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Group {
    /// Supraspinatus, infraspinatus, teres minor.
    Cuff,
    /// Subscapularis.
    Subscapularis,
    /// Deltoid.
    Deltoid,
    /// Elbow flexors and supinator part of the biceps.
    Biceps,
    /// Triceps.
    Triceps,
    /// Pectoralis major, latissimus, teres major.
    PecLat,
    /// Trapezius, serratus, rhomboids.
    Scapular,
    /// Hand, wrist, forearm.
    Distal,
}

impl Group {
    /// The groups that work about the shoulder: all but hand, wrist and forearm.
    pub const SHOULDER: [Group; 7] = [
        Group::Cuff,
        Group::Subscapularis,
        Group::Deltoid,
        Group::Biceps,
        Group::Triceps,
        Group::PecLat,
        Group::Scapular,
    ];
}

/// A contraction level. Not a strict scale: isometric may be permitted before active.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Level {
    /// Nothing at all.
    None,
    /// Another force moves the arm, muscles quiet.
    Passive,
    /// Helped by another force.
    Assisted,
    /// The limb's own weight.
    Active,
    /// No joint movement, submaximal.
    Isometric,
    /// At least 15 to 20 repetitions possible, up to 1 kg or level 2.
    ResistedLight,
    /// An 8 to 15 repetition load.
    Resisted,
    /// Slow lengthening under load.
    Eccentric,
    /// Fast.
    Ballistic,
}

impl Level {
    /// Whether a permission for `self` includes an exercise at `wanted`.
    ///
    /// Active does not include isometric and isometric includes nothing but itself; from resisted
    /// light upward everything below is included. Source: common practice, no published source.
    pub fn includes(self, wanted: Level) -> bool {
        match self {
            Level::Isometric => matches!(wanted, Level::None | Level::Isometric),
            Level::None | Level::Passive | Level::Assisted | Level::Active => wanted <= self,
            Level::ResistedLight | Level::Resisted | Level::Eccentric | Level::Ballistic => {
                wanted <= self
            }
        }
    }
}

/// What an exercise asks of one muscle group. Declared, never derived from the moment.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Demand {
    /// The group.
    pub group: Group,
    /// How it works.
    pub level: Level,
}

/// What an exercise is for; the score groups its lines by this.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Purpose {
    /// Calm pain and swelling.
    Settle,
    /// Regain range.
    Move,
    /// Regain control.
    Control,
    /// Build strength.
    Strengthen,
    /// Bear load and endurance.
    Load,
    /// Return to work and sport.
    Return,
}

/// What helps or holds the arm; the figure draws it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Helper {
    /// Nothing.
    None,
    /// The other hand carries the forearm.
    OtherHand,
    /// A stick held in both hands.
    Stick,
    /// The hand lies on a table.
    Table,
    /// The hand is on a wall.
    Wall,
    /// A pulley over a door.
    Pulley,
    /// An elastic from a door anchor.
    Elastic,
    /// A weight in the hand.
    Weight,
    /// A ball in the hand, under it, or between the body and a wall.
    Ball,
    /// A box or bag.
    Box,
}

/// How much of an exercise is done. All of it is what the patient is told.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Dose {
    /// Sets, 1 to 10.
    pub sets: u32,
    /// Repetitions of each set, 1 to 60.
    pub repetitions: u32,
    /// Hold of each repetition in seconds, 0 to 300.
    #[serde(default)]
    pub hold_s: u32,
    /// Rest between sets in seconds, 0 to 300.
    #[serde(default)]
    pub rest_s: u32,
    /// Sessions a day, 1 to 8.
    pub times_per_day: u32,
    /// Days a week, 1 to 7.
    pub days_per_week: u32,
    /// Hand weight in kilograms, where there is one.
    #[serde(default)]
    pub load_kg: Option<f64>,
    /// Elastic level, 1 to 6, where there is one.
    #[serde(default)]
    pub elastic_level: Option<u32>,
    /// Share of the greatest effort in percent, for isometric work.
    #[serde(default)]
    pub effort_pct: Option<u32>,
    /// Seconds of the working way, the pause and the way back; without it about 4 s a repetition.
    #[serde(default)]
    pub tempo_s: Option<[u32; 3]>,
    /// How sets follow each other; straight without it.
    #[serde(default)]
    pub structure: Option<SetStructure>,
    /// Seconds of each set, for work that is timed and not counted: walking, turning a crank, kneading. Such a dose has one
    /// repetition and no hold.
    #[serde(default)]
    pub duration_s: Option<u32>,
    /// Greatest force of an elastic on the way in newtons, where it was worked out.
    #[serde(default)]
    pub force_n: Option<f64>,
    /// Distance to the anchor of an elastic in metres, where it differs from the row's.
    #[serde(default)]
    pub distance_m: Option<f64>,
    /// The days on which it is done; any without it.
    #[serde(default)]
    pub weekdays: Option<Weekdays>,
}

/// Days of the week, Monday first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Weekdays(pub [bool; 7]);

impl Weekdays {
    /// How many days are chosen.
    pub fn count(self) -> u32 {
        self.0.iter().map(|day| u32::from(*day)).sum()
    }
}

/// A field of a dose that is out of bounds.
#[derive(Debug, Clone, PartialEq)]
pub struct DoseField {
    /// The field's name.
    pub field: &'static str,
    /// Least allowed.
    pub min: f64,
    /// Greatest allowed.
    pub max: f64,
    /// What was given.
    pub given: f64,
}

/// How long things take where a dose does not say so: thresholds `repetition-s` and `breath-s`.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Pace {
    /// Seconds of one repetition without a tempo and without its hold.
    pub repetition_s: u32,
    /// Seconds between single repetitions.
    pub breath_s: u32,
}

impl Dose {
    /// Seconds one repetition takes by the dose's own tempo, without its hold; nothing where it has none.
    pub fn own_tempo_s(&self) -> Option<u32> {
        let [out, pause, back] = self.tempo_s?;
        Some(out.saturating_add(pause).saturating_add(back))
    }

    /// Seconds one repetition takes without its hold.
    pub fn repetition_s(&self, pace: Pace) -> u32 {
        self.own_tempo_s().unwrap_or(pace.repetition_s)
    }

    /// Repetitions of one set; of timed work as many as the usual pace makes of it, for sums over the week only.
    pub fn set_repetitions(&self, pace: Pace) -> f64 {
        self.duration_s
            .map_or(f64::from(self.repetitions), |seconds| {
                f64::from(seconds) / f64::from(pace.repetition_s.max(1))
            })
    }

    /// Seconds of work in one set, without rests and breaths.
    pub fn set_s(&self, pace: Pace) -> f64 {
        self.duration_s.map_or_else(
            || {
                f64::from(self.repetitions)
                    * f64::from(self.hold_s.saturating_add(self.repetition_s(pace)))
            },
            f64::from,
        )
    }

    /// Minutes of one session of this exercise, at the usual pace where the dose has no tempo.
    ///
    /// ```
    /// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
    /// let row = known.exercises["pendulum-cradle"].dose;
    /// let dose = ritorno_core::knowledge::Dose {
    ///     sets: 2, repetitions: 10, hold_s: 0, rest_s: 60, tempo_s: None, duration_s: None, structure: None, ..row
    /// };
    /// // Twice ten repetitions of four seconds, and one rest between them.
    /// assert!((dose.minutes(known.pace()) - (80.0 + 60.0) / 60.0).abs() < 1e-12);
    /// ```
    ///
    /// In a circuit the other exercises are the rest; single repetitions take a breath each.
    pub fn minutes(&self, pace: Pace) -> f64 {
        let breath_s = if self.structure == Some(SetStructure::Single) && self.duration_s.is_none()
        {
            f64::from(self.repetitions) * f64::from(pace.breath_s)
        } else {
            0.0
        };
        let set_s = self.set_s(pace) + breath_s;
        let rests = if self.structure == Some(SetStructure::Circuit) {
            0
        } else {
            self.sets.saturating_sub(1)
        };
        (f64::from(self.sets) * set_s + f64::from(rests) * f64::from(self.rest_s)) / 60.0
    }

    /// Minutes of a day, evened out over the week.
    pub fn day_minutes(&self, pace: Pace) -> f64 {
        self.minutes(pace) * f64::from(self.times_per_day) * f64::from(self.days_per_week.min(7))
            / 7.0
    }

    /// Repetitions in a week.
    pub fn weekly_repetitions(&self, pace: Pace) -> f64 {
        f64::from(self.sets)
            * self.set_repetitions(pace)
            * f64::from(self.times_per_day)
            * f64::from(self.days_per_week)
    }
}

/// The reviewed range of a dose.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct DoseRange {
    /// Fewest and most sets.
    pub sets: [u32; 2],
    /// Fewest and most repetitions.
    pub repetitions: [u32; 2],
    /// Shortest and longest hold in seconds.
    pub hold_s: [u32; 2],
    /// Fewest and most sessions a day.
    pub times_per_day: [u32; 2],
    /// Shortest and longest set of timed work in seconds; only rows that are timed have it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub duration_s: Option<[u32; 2]>,
    /// Greatest hand weight in kilograms.
    #[serde(default)]
    pub load_kg_max: Option<f64>,
    /// Greatest elastic level.
    #[serde(default)]
    pub elastic_level_max: Option<u32>,
}

/// Mean activity of a muscle in healthy people, in percent of its greatest voluntary contraction.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Activity {
    /// The muscle, a wording key.
    pub muscle: String,
    /// Percent.
    pub percent: f64,
    /// Reference id.
    pub source: String,
}

/// How much a muscle is asked for, by the bands of `thresholds.toml`.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum DemandClass {
    /// Not published: in a protected phase not allowed until a clinician says so.
    Unknown,
    /// Up to `demand-low-pct`.
    Low,
    /// Up to `demand-moderate-pct`.
    Moderate,
    /// Up to `demand-high-pct`.
    High,
    /// Above that.
    VeryHigh,
}

impl DemandClass {
    /// The class of the most active muscle.
    ///
    /// `bands` are the upper ends of low, moderate and high, in percent.
    pub fn of(activity: &[Activity], bands: [f64; 3]) -> DemandClass {
        let [low, moderate, high] = bands;
        match activity.iter().map(|a| a.percent).reduce(f64::max) {
            None => DemandClass::Unknown,
            Some(p) if p <= low => DemandClass::Low,
            Some(p) if p <= moderate => DemandClass::Moderate,
            Some(p) if p <= high => DemandClass::High,
            Some(_) => DemandClass::VeryHigh,
        }
    }
}

/// An exercise whose end follows the ceiling of the day.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Adapts {
    /// The quantity whose ceiling ends the path.
    pub quantity: String,
    /// Below this end the exercise makes no sense and is not offered.
    pub least_deg: f64,
}

/// One exercise: one rung of a ladder.
#[derive(Debug, Clone, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Exercise {
    /// Stable id.
    pub id: String,
    /// The ladder it is a rung of.
    pub ladder: String,
    /// Its place on the ladder.
    pub rung: u32,
    /// Rungs that may follow.
    #[serde(default)]
    pub next: Vec<String>,
    /// What it is for.
    pub purpose: Purpose,
    /// How the trunk is held.
    pub attitude: Attitude,
    /// Classes whose weeks must have come.
    pub gates: Vec<String>,
    /// What it asks of the muscle groups; groups not named are at rest.
    pub demand: Vec<Demand>,
    /// Declared features that are not modelled, e.g. `leaning`.
    #[serde(default)]
    pub tags: Vec<String>,
    /// What must be at hand.
    #[serde(default)]
    pub kit: Vec<String>,
    /// What helps or holds the arm.
    pub helper: Helper,
    /// On which side a wall stands.
    #[serde(default)]
    pub wall: WallSide,
    /// What the other arm does, where the helper does not say it.
    #[serde(default)]
    pub other: Option<OtherArm>,
    /// Small arrows in the figure, for what the path does not show.
    #[serde(default)]
    pub cues: Vec<Cue>,
    /// Whether the path ends at the ceiling of the day.
    #[serde(default)]
    pub adapts: Option<Adapts>,
    /// Key poses of the working arm.
    pub path: Vec<KeyPose>,
    /// What it works against.
    #[serde(default)]
    pub load: Load,
    /// The upper arm lies against the trunk, a towel or a table: only turning it has to be supplied.
    #[serde(default)]
    pub upper_arm_rests: bool,
    /// Seconds the path takes one way; 2 without it.
    #[serde(default)]
    pub path_s: Option<f64>,
    /// Published muscle activity, where there is one.
    #[serde(default)]
    pub activity: Vec<Activity>,
    /// Conditions in which it is left out or changed, as wording keys.
    #[serde(default)]
    pub beware: Vec<String>,
    /// Where the dose starts.
    pub dose: Dose,
    /// Where the dose may go.
    pub range: DoseRange,
    /// What goes wrong, as wording keys.
    #[serde(default)]
    pub faults: Vec<String>,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
    /// What has been worked out from the path.
    #[serde(skip)]
    pub worked: Worked,
}

/// What is left of a path that is cut at a limit, and the greatest demands of that on what the cut follows.
#[derive(Debug)]
pub(crate) struct CutPath {
    pub(crate) path: Path,
    pub(crate) peaks: Vec<(String, f64)>,
}

/// A path after the cut: whole, shorter, or too short, with the limit that left too little.
pub(crate) type AfterCut = Result<Option<Arc<CutPath>>, f64>;

/// Limits of which the cut is kept: a ceiling rises in a few steps.
const CUTS: usize = 16;

/// What is worked out once from a path: it never changes while the row stands. A copy of the row begins anew.
#[derive(Default)]
pub struct Worked {
    track: OnceLock<Track>,
    peaks: OnceLock<Vec<(String, f64)>>,
    cuts: Kept<u64, AfterCut, CUTS>,
}

impl Clone for Worked {
    fn clone(&self) -> Self {
        Worked::default()
    }
}

impl std::fmt::Debug for Worked {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str("Worked")
    }
}

impl Exercise {
    /// The whole path with every frame that is checked.
    pub fn track(&self) -> &Track {
        self.worked.track.get_or_init(|| Track::of(self.path()))
    }

    /// The greatest demands along the whole path, worked out by `work` the first time.
    pub(crate) fn peaks(
        &self,
        work: impl FnOnce(&Track) -> Vec<(String, f64)>,
    ) -> &[(String, f64)] {
        self.worked.peaks.get_or_init(|| work(self.track()))
    }

    /// The path after a cut at `limit_deg`, worked out by `work` the first time.
    pub(crate) fn after_cut(&self, limit_deg: f64, work: impl FnOnce() -> AfterCut) -> AfterCut {
        self.worked.cuts.of(&limit_deg.to_bits(), work)
    }

    /// The path; every key has been checked at load to give exactly one rotation.
    pub fn path(&self) -> Path {
        Path {
            keys: self.path.iter().filter_map(KeyPose::pose).collect(),
        }
    }

    /// The hardest that it asks of any muscle group.
    pub fn hardest(&self) -> Level {
        self.demand
            .iter()
            .map(|d| d.level)
            .max()
            .unwrap_or(Level::None)
    }

    /// Whether it asks nothing of the joint: breathing, posture, the hand.
    pub fn asks_nothing_of_the_joint(&self) -> bool {
        [
            Group::Cuff,
            Group::Subscapularis,
            Group::Deltoid,
            Group::Biceps,
            Group::PecLat,
        ]
        .into_iter()
        .all(|group| self.demand_on(group) == Level::None)
    }

    /// Where the row puts the anchor of its elastic, m: level distance from the shoulder. `None` without one.
    pub fn anchor_m(&self) -> Option<f64> {
        match self.load {
            Load::Elastic { anchor, .. } if anchor.side != AnchorSide::Under => {
                Some(anchor.distance_m)
            }
            _ => None,
        }
    }

    /// What it asks of `group`; groups that are not named are at rest.
    pub fn demand_on(&self, group: Group) -> Level {
        self.demand
            .iter()
            .find(|d| d.group == group)
            .map_or(Level::None, |d| d.level)
    }

    /// Whether the muscles that raise the arm work by themselves.
    pub fn is_active(&self) -> bool {
        [Group::Cuff, Group::Deltoid, Group::Subscapularis]
            .into_iter()
            .any(|g| self.demand_on(g) >= Level::Active)
    }
}
