//! An invented patient with a program, and the names its numbers stand under.

use ritorno_core::facts::{Start, StopReason};
use ritorno_core::mechanics::Arm;

/// One invented patient with a program.
pub(crate) struct Person {
    pub(crate) given: &'static str,
    pub(crate) family: &'static str,
    pub(crate) born: &'static str,
    pub(crate) work: &'static str,
    pub(crate) side: Arm,
    pub(crate) mechanism: &'static str,
    pub(crate) task: (&'static str, &'static str),
    pub(crate) health: &'static [&'static str],
    /// Today's episode day.
    pub(crate) day: i32,
    /// Gates passed, with the day.
    pub(crate) passed: &'static [(&'static str, i32)],
    pub(crate) limits: &'static [(&'static str, f64, Option<i32>)],
    /// Quantity, value, day, why it stopped.
    pub(crate) measurements: &'static [(&'static str, f64, i32, StopReason)],
    pub(crate) rest_pain: Option<(f64, i32)>,
    pub(crate) attested: &'static [(&'static str, i32)],
    /// The day the program was built and signed.
    pub(crate) built: Option<i32>,
    pub(crate) slip: Option<i32>,
    /// A bad day that was said to be one.
    pub(crate) flare: Option<i32>,
    pub(crate) note: &'static str,
    pub(crate) pathway: &'static str,
    pub(crate) start: Start,
    pub(crate) modifiers: &'static [&'static str],
}

pub(crate) const PE: &str = "passive-elevation";
pub(crate) const ER: &str = "passive-er-side";
pub(crate) const IR: &str = "passive-ir-side";
pub(crate) const AEL: &str = "active-elevation-lying";
pub(crate) const AEU: &str = "active-elevation-upright";
pub(crate) const G1: &str = "to-protected-passive";
pub(crate) const G2: &str = "to-assisted";
pub(crate) const G3: &str = "to-early-strength";
pub(crate) const USUAL: &[(&str, f64, Option<i32>)] =
    &[(PE, 120.0, Some(42)), (ER, 30.0, Some(42))];
