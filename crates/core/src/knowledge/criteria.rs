//! The language of gates.

use serde::{Deserialize, Serialize};

/// How a value is compared.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Comparison {
    /// At least.
    #[serde(rename = ">=")]
    AtLeast,
    /// At most.
    #[serde(rename = "<=")]
    AtMost,
}

impl Comparison {
    /// Whether `value` satisfies the comparison with `bound`.
    ///
    /// ```
    /// use ritorno_core::knowledge::{Comparison, Criterion, CriterionKind};
    ///
    /// // Criteria are written as rows: one of two may do, and each keeps its own id and name.
    /// let row = r#"
    /// id = "moves"
    /// kind = "any"
    /// of = [
    ///   { id = "raised", kind = "measure", quantity = "passive-elevation", op = ">=", value = 120.0, max_age_days = 14 },
    ///   { id = "weeks", kind = "time_since", weeks = 12 },
    /// ]
    /// "#;
    /// let criterion: Criterion = toml::from_str(row).expect("a row");
    /// assert_eq!(criterion.ask.parts().len(), 2);
    /// // The bound itself satisfies it.
    /// assert!(Comparison::AtLeast.holds(120.0, 120.0));
    /// ```
    pub fn holds(self, value: f64, bound: f64) -> bool {
        match self {
            Comparison::AtLeast => value >= bound,
            Comparison::AtMost => value <= bound,
        }
    }
}

/// What is counted from the log.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum LogEvent {
    /// A feeling that the joint slips.
    Slip,
    /// A measurement above the ceiling of its own date.
    OverCeiling,
    /// Share of the planned sessions done, in percent.
    SessionsDonePct,
    /// Days with pain during exercise above the pain mode.
    PainAboveMode,
}

/// One criterion of a gate, with its stable id.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Criterion {
    /// Stable id within its gate.
    pub id: String,
    /// What is asked.
    #[serde(flatten)]
    pub ask: CriterionKind,
}

/// What a criterion asks.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CriterionKind {
    /// Every one of them; takes the worst status.
    All {
        /// The parts.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        of: Vec<Criterion>,
    },
    /// One of them; takes the best status.
    Any {
        /// The parts.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        of: Vec<Criterion>,
    },
    /// So many of them.
    AtLeast {
        /// How many.
        k: usize,
        /// The parts.
        #[cfg_attr(feature = "schema", schema(no_recursion))]
        of: Vec<Criterion>,
    },
    /// A measured range of the operated side.
    Measure {
        /// Quantity id.
        quantity: String,
        /// How it is compared.
        op: Comparison,
        /// In the quantity's unit, or percent of the other side.
        value: f64,
        /// Whether `value` is a percentage of the other side.
        #[serde(default)]
        of_other_side: bool,
        /// Older measurements are out of date.
        max_age_days: i32,
    },
    /// A measured force of the affected side, in percent of the other side or of another test of the same side.
    Strength {
        /// Strength test id.
        test: String,
        /// Another strength test of the same side to compare with, instead of the other side.
        #[serde(default)]
        against: Option<String>,
        /// How it is compared.
        op: Comparison,
        /// Percent.
        value: f64,
        /// Older sets are out of date.
        max_age_days: i32,
    },
    /// A number the patient gives, 0 to 10.
    Score {
        /// Score id, e.g. `rest-pain`.
        score: String,
        /// How it is compared.
        op: Comparison,
        /// The bound.
        value: f64,
        /// Older answers are out of date.
        max_age_days: i32,
    },
    /// A count over the last days.
    CountFromLog {
        /// What is counted.
        event: LogEvent,
        /// Days looked back over, today included.
        window_days: i32,
        /// How it is compared.
        op: Comparison,
        /// The bound.
        n: f64,
    },
    /// How far a range moved since the oldest measurement of a window, half a window ago at least; what was lost is negative.
    Change {
        /// Quantity id.
        quantity: String,
        /// How it is compared.
        op: Comparison,
        /// In the quantity's unit.
        value: f64,
        /// How far back the older measurement may lie.
        over_days: i32,
    },
    /// How far a score moved since the oldest answer of a window, half a window ago at least.
    ScoreChange {
        /// Score id.
        score: String,
        /// How it is compared.
        op: Comparison,
        /// In points.
        value: f64,
        /// How far back the older answer may lie.
        over_days: i32,
    },
    /// How far the arm drops back more than before in a lag test. After an operation the first one counts whole.
    LagGain {
        /// How it is compared.
        op: Comparison,
        /// Degrees.
        value: f64,
        /// Older findings are out of date.
        max_age_days: i32,
    },
    /// Days since the last slip.
    SymptomFreeDays {
        /// How many.
        n: i32,
    },
    /// A episode day has come.
    TimeSince {
        /// Completed weeks.
        weeks: i32,
    },
    /// Signed by a person, never a bare tick.
    Attested {
        /// What is attested, as a wording key.
        code: String,
        /// Older attestations are out of date.
        max_age_days: i32,
    },
}

impl CriterionKind {
    /// Whether a clinician may override it: healing time never.
    pub fn overridable(&self) -> bool {
        !matches!(self, CriterionKind::TimeSince { .. })
    }

    /// The parts of a composite, empty for a leaf.
    pub fn parts(&self) -> &[Criterion] {
        match self {
            CriterionKind::All { of }
            | CriterionKind::Any { of }
            | CriterionKind::AtLeast { of, .. } => of,
            _ => &[],
        }
    }
}
