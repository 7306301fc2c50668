//! What on record raises a red flag by itself: the `raised_by` rows of `red-flags.toml`.

use super::clinical_test::Found;
use serde::{Deserialize, Serialize};

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

/// One way in which records raise a flag. Bounds are ids of thresholds.
///
/// A new flag of one of these kinds is a row and its sentence (`rule-flag-…`), no code:
///
/// ```
/// use ritorno_core::knowledge::{Found, RaisedBy};
///
/// let row: RaisedBy = toml::from_str(
///     r#"
///     by = "finding"
///     test = "axillary-sensation"
///     words = ["yes"]
///     "#,
/// )
/// .expect("a row");
/// assert!(matches!(row, RaisedBy::Finding { words, unoperated: false, .. } if words == [Found::Yes]));
/// ```
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(
    tag = "by",
    rename_all = "snake_case",
    rename_all_fields = "snake_case",
    deny_unknown_fields
)]
pub enum RaisedBy {
    /// A clinical test of the affected side was answered with one of these words.
    Finding {
        /// Clinical test id.
        test: String,
        /// Any of these.
        words: Vec<Found>,
        /// Only of a shoulder that was not operated on: after an operation the surgeon's rules speak.
        #[serde(default)]
        unoperated: bool,
    },
    /// A slip was logged as worse than usual.
    Slip {
        /// In this way.
        how: SlipHow,
    },
    /// After an injury, or a fit that may have been one, a range of a shoulder that was not operated on stops at or below a bound.
    Stuck {
        /// Quantity id.
        quantity: String,
        /// Threshold in the quantity's unit.
        at_most: String,
    },
    /// A range that the person shows falls short of what the arm is lifted to.
    Gap {
        /// Quantity ids of what the person shows.
        active: Vec<String>,
        /// Quantity id of what it falls short of.
        passive: String,
        /// Threshold in degrees; more than this counts.
        above: String,
        /// Threshold in completed weeks; from here on.
        from_week: String,
    },
    /// A range that the person shows was lost since the last time, with the passive one kept.
    Lost {
        /// Quantity ids of what the person shows.
        active: Vec<String>,
        /// Quantity id of what was kept.
        passive: String,
        /// Threshold in degrees lost, at least.
        loss: String,
        /// Threshold in degrees by which the active range then falls short, at least.
        gap: String,
        /// Threshold in completed years of age, from here on.
        from_age: String,
    },
    /// A shoulder that was not operated on does not go up by itself, and a lag was seen: whichever came last completes it.
    LagBesideGap {
        /// Quantity ids of what the person shows.
        active: Vec<String>,
        /// Quantity id of what it falls short of.
        passive: String,
        /// Threshold in degrees below which the active range lies.
        active_below: String,
        /// Threshold in degrees by which it falls short, at least.
        gap: String,
        /// Threshold in degrees of lag, at least.
        lag: String,
        /// Threshold in completed years of age, from here on.
        from_age: String,
    },
    /// What a measurement called for when it was taken; the first of the calls that holds.
    Call {
        /// Quantity ids.
        quantities: Vec<String>,
        /// In this order.
        calls: Vec<RaisingCall>,
    },
    /// Flags that hold together; in each group any one that was answered yes, else any one that records have raised.
    Together {
        /// Groups of flag ids.
        flags: Vec<Vec<String>>,
    },
    /// A watch of the pathway says stop.
    Watch,
}

/// A call that raises a flag.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct RaisingCall {
    /// The rule that speaks, e.g. `range-lost`.
    pub call: String,
    /// Only while this flag was ever answered yes.
    #[serde(default)]
    pub answered: Option<String>,
}
