//! What a figure shows beside the path: small cues, the wall's side, what the other arm does. Data of the row, never drawn by hand.

use serde::{Deserialize, Serialize};

/// Where a cue points at.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum CuePlace {
    /// Top of the head.
    Head,
    /// The chin.
    Chin,
    /// The working shoulder.
    Shoulder,
    /// The working elbow.
    Elbow,
    /// The working hand.
    Hand,
    /// The breastbone.
    Chest,
    /// The belly.
    Belly,
}

/// Which way it points, seen from the person.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum CueWay {
    /// Towards the head.
    Up,
    /// Towards the feet.
    Down,
    /// Ahead.
    Forward,
    /// Behind.
    Back,
    /// To the working side.
    Out,
    /// To the other side.
    In,
    /// Up and down.
    UpDown,
    /// Ahead and behind.
    ForwardBack,
    /// Out and in.
    OutIn,
    /// Round the body's long axis, one way and back.
    Turn,
    /// Round the axis from back to front, one way and back.
    Tilt,
    /// A full circle.
    Circle,
    /// Opening and closing.
    Open,
}

/// One small arrow.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Cue {
    /// The place on the figure that the cue points at.
    pub at: CuePlace,
    /// Which way.
    pub go: CueWay,
}

/// On which side of the person a wall stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum WallSide {
    /// Ahead.
    #[default]
    Front,
    /// Behind.
    Back,
    /// On the working side.
    Side,
    /// Between the arm and the body: a door frame.
    Inside,
}

/// What the other arm does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum OtherArm {
    /// The same as the working arm.
    Same,
    /// Reaches forward past the head.
    Lifts,
    /// Touches the working shoulder.
    Taps,
    /// Touches the working elbow.
    TapsElbow,
    /// Touches the shin of the working side.
    TapsShin,
    /// Kneads the side of the neck.
    Neck,
    /// Behind the back.
    Behind,
    /// Holds the same thing as the working hand.
    Holds,
    /// Rests on the head.
    Head,
    /// Hangs.
    Hangs,
}

/// Where a rolled towel or a roller lies, or what a cloth is held by.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Roll {
    /// Between the upper arm and the side of the trunk.
    UnderArm,
    /// Under the elbow of a person who lies.
    UnderElbow,
    /// Across the back of a person who lies.
    AcrossBack,
    /// Along the back of a person who lies on it.
    AlongBack,
    /// Under the side of the chest of a person who lies on the side.
    UnderSide,
    /// Between both hands.
    BetweenHands,
    /// Under the working hand.
    UnderHand,
    /// From the working hand to the floor ahead, swung: a rope.
    Rope,
}

/// What the legs do, where the attitude does not say it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
pub enum Legs {
    /// On all fours: the leg of the working side reaches back.
    OneLifts,
    /// On all fours: both knees a hand's width off the floor.
    KneesOff,
    /// In a plank: the knees are on the floor.
    KneesDown,
    /// Kneeling on the knee of the working side, the other foot ahead.
    HalfKneeling,
    /// In a plank: the foot of the working side is lifted.
    FootLifts,
    /// On all fours: sitting back on the heels.
    OnHeels,
}
