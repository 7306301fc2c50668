//! Exercises: path, demand, dose.

use super::dose::{Dose, DoseRange};
use super::kept::Kept;
use super::picture::{Cue, CuePlace, Legs, OtherArm, Roll, WallSide};
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
    /// Where a ball lies between the body and a wall; without it in the hand.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub ball_at: Option<CuePlace>,
    /// Where a rolled towel, a roller or a cloth is used.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub roll: Option<Roll>,
    /// What the legs do, where the attitude does not say it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub legs: Option<Legs>,
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
