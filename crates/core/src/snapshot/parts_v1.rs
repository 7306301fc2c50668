//! What several snapshots of version 1 are made of.

use crate::facts::SurgeonLimit;
use crate::knowledge::Dose;
use crate::reason::{Arg, Reason, wire};
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use std::collections::BTreeMap;
use uuid::Uuid;

/// A rule that spoke: its id and its arguments, numbers or words.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct ReasonV1 {
    /// Rule id.
    pub rule: String,
    /// Arguments by name.
    pub args: BTreeMap<String, serde_json::Value>,
}

impl From<&Reason> for ReasonV1 {
    fn from(reason: &Reason) -> Self {
        let value = |arg: &Arg| match arg {
            Arg::Number(n) => serde_json::json!(n),
            Arg::Text(text) => serde_json::json!(text),
        };
        ReasonV1 {
            rule: reason.rule.clone(),
            args: reason
                .args
                .iter()
                .map(|(name, arg)| (name.clone(), value(arg)))
                .collect(),
        }
    }
}

/// How much of an exercise was signed. Seconds, kilograms, newtons, metres; weekdays Monday first.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct DoseV1 {
    /// Sets.
    pub sets: u32,
    /// Repetitions of each set.
    pub repetitions: u32,
    /// Hold of each repetition.
    pub hold_s: u32,
    /// Rest between sets.
    pub rest_s: u32,
    /// Sessions a day.
    pub times_per_day: u32,
    /// Days a week.
    pub days_per_week: u32,
    /// Hand weight.
    pub load_kg: Option<f64>,
    /// Elastic level.
    pub elastic_level: Option<u32>,
    /// Share of the greatest effort in percent.
    pub effort_pct: Option<u32>,
    /// Seconds out, pause and back.
    pub tempo_s: Option<[u32; 3]>,
    /// `straight`, `circuit` or `single`.
    pub structure: Option<String>,
    /// Seconds of timed work.
    pub duration_s: Option<u32>,
    /// Greatest force of the elastic.
    pub force_n: Option<f64>,
    /// Distance to the anchor.
    pub distance_m: Option<f64>,
    /// The days on which it is done.
    pub weekdays: Option<[bool; 7]>,
}

impl From<&Dose> for DoseV1 {
    fn from(d: &Dose) -> Self {
        DoseV1 {
            sets: d.sets,
            repetitions: d.repetitions,
            hold_s: d.hold_s,
            rest_s: d.rest_s,
            times_per_day: d.times_per_day,
            days_per_week: d.days_per_week,
            load_kg: d.load_kg,
            elastic_level: d.elastic_level,
            effort_pct: d.effort_pct,
            tempo_s: d.tempo_s,
            structure: d.structure.map(wire),
            duration_s: d.duration_s,
            force_n: d.force_n,
            distance_m: d.distance_m,
            weekdays: d.weekdays.map(|w| w.0),
        }
    }
}

/// A limit of the surgeon as it stood.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
pub struct LimitV1 {
    /// Its id.
    pub id: Uuid,
    /// Quantity id.
    pub quantity: String,
    /// Greatest permitted, in the quantity's unit.
    pub ceiling: f64,
    /// Expected at least.
    pub floor: Option<f64>,
    /// Held from this day.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub from: Option<NaiveDate>,
    /// Held before this episode day.
    pub until_day: Option<i32>,
    /// Who released it.
    pub release_role: Option<String>,
    /// The day from which a release holds.
    pub release_on: Option<NaiveDate>,
    /// When its end was confirmed.
    pub ended_on: Option<NaiveDate>,
}

impl From<&SurgeonLimit> for LimitV1 {
    fn from(l: &SurgeonLimit) -> Self {
        LimitV1 {
            id: l.id,
            quantity: l.quantity.clone(),
            ceiling: l.ceiling,
            floor: l.floor,
            from: l.starts_on(),
            until_day: l.until_day,
            release_role: l.release.as_ref().map(|r| r.role.clone()),
            release_on: l.release.as_ref().map(|r| r.on),
            ended_on: l.ended_on,
        }
    }
}
