//! Why something was decided: a rule id with typed arguments, never a sentence.

use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;

/// One argument of a reason.
///
/// Text arguments that name a row of knowledge (`quantity`, `exercise`, `group` …) carry its id; the
/// wording layer looks the name up.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(untagged)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Arg {
    /// A number, with its unit in the argument's name (`ceiling_deg`).
    Number(f64),
    /// An id or a date.
    Text(String),
}

impl From<f64> for Arg {
    fn from(value: f64) -> Self {
        Arg::Number(value)
    }
}

impl From<i32> for Arg {
    fn from(value: i32) -> Self {
        Arg::Number(f64::from(value))
    }
}

impl From<&str> for Arg {
    fn from(value: &str) -> Self {
        Arg::Text(value.to_owned())
    }
}

impl From<String> for Arg {
    fn from(value: String) -> Self {
        Arg::Text(value)
    }
}

/// A rule that spoke, with what it spoke about.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Reason {
    /// Stable id; `locales/` holds its sentence under `rule-<id>`.
    pub rule: String,
    /// Typed arguments of the sentence.
    pub args: BTreeMap<String, Arg>,
}

impl Reason {
    /// A reason without arguments.
    ///
    /// ```
    /// use ritorno_core::reason::{Arg, Reason};
    ///
    /// let reason = Reason::new("gate-week").with("week", 6).with("gate_class", "pendulum");
    /// assert_eq!(reason.args["week"], Arg::Number(6.0));
    /// // It holds no sentence: the catalogue says `rule-gate-week` in the reader's language.
    /// assert_eq!(reason.rule, "gate-week");
    /// ```
    pub fn new(rule: &str) -> Self {
        Reason {
            rule: rule.to_owned(),
            args: BTreeMap::new(),
        }
    }

    /// Adds one argument.
    #[must_use]
    pub fn with(mut self, name: &str, value: impl Into<Arg>) -> Self {
        self.args.insert(name.to_owned(), value.into());
        self
    }
}

/// The wire name of an enum without data, as reasons and text columns carry it; empty for anything else.
pub fn wire<T: Serialize>(value: T) -> String {
    serde_json::to_value(value)
        .ok()
        .and_then(|v| v.as_str().map(str::to_owned))
        .unwrap_or_default()
}
