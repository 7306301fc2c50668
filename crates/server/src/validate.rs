//! Collecting the fields that cannot be right, all at once.

use crate::problem::{ApiError, FieldFault, wording};
use chrono::{Months, NaiveDate};
use ritorno_core::facts::Line;
use ritorno_core::knowledge::{Dose, Knowledge};
use ritorno_wording::Value;

/// Faults found so far.
#[derive(Debug, Default)]
pub(crate) struct Faults(Vec<FieldFault>);

impl Faults {
    pub(crate) fn push(&mut self, field: &str, code: &str, args: &[(&str, Value)]) {
        self.0.push(FieldFault {
            field: field.to_owned(),
            code: code.to_owned(),
            message: wording().say(&format!("fault-{code}"), args),
        });
    }

    /// Must hold something, and no more than `max` letters.
    pub(crate) fn text(&mut self, field: &str, value: &str, max: usize, required: bool) {
        if required && value.trim().is_empty() {
            self.push(field, "empty", &[]);
        } else if value.chars().count() > max {
            self.push(field, "too-long", &[("max", Value::Number(max as f64))]);
        }
    }

    pub(crate) fn not_after(&mut self, field: &str, date: NaiveDate, today: NaiveDate) {
        if date > today {
            self.push(
                field,
                "in-future",
                &[
                    ("given", Value::Text(&date.to_string())),
                    ("today", Value::Text(&today.to_string())),
                ],
            );
        }
    }

    /// Not in the future, and not before anybody alive was born: the database keeps no date of the ice age.
    pub(crate) fn date(&mut self, field: &str, date: NaiveDate, today: NaiveDate) {
        const YEARS: u32 = 150;
        self.not_after(field, date, today);
        let oldest = today.checked_sub_months(Months::new(12 * YEARS));
        if oldest.is_some_and(|oldest| date < oldest) {
            self.push(
                field,
                "too-old",
                &[("years", Value::Number(f64::from(YEARS)))],
            );
        }
    }

    pub(crate) fn within(&mut self, field: &str, value: f64, min: f64, max: f64) {
        if !(min..=max).contains(&value) {
            self.push(
                field,
                "outside",
                &[
                    ("given", Value::Number(value)),
                    ("min", Value::Number(min)),
                    ("max", Value::Number(max)),
                ],
            );
        }
    }

    /// Inside the bound that knowledge gives the field.
    pub(crate) fn bound(&mut self, known: &Knowledge, field: &str, bound: &str, value: f64) {
        if let Err(row) = known.possible(bound, value) {
            self.within(field, value, row.min, row.max);
        }
    }

    /// A line that anything may compute with: days and dose inside human sense.
    pub(crate) fn line(&mut self, known: &Knowledge, field: &str, line: &Line) {
        for (name, day) in [("from_day", line.from_day), ("to_day", line.to_day)] {
            self.bound(
                known,
                &format!("{field}.{name}"),
                "line_day",
                f64::from(day),
            );
        }
        if let Some(reason) = &line.override_reason {
            self.text(&format!("{field}.override_reason"), reason, 1000, false);
        }
        self.dose(known, &format!("{field}.dose"), &line.dose);
    }

    /// A dose inside human sense.
    pub(crate) fn dose(&mut self, known: &Knowledge, field: &str, dose: &Dose) {
        // Parts of a tempo first: their sum is what the bound is about.
        for (i, part) in dose.tempo_s.iter().flatten().enumerate() {
            self.bound(
                known,
                &format!("{field}.tempo_s.{i}"),
                "hold_s",
                f64::from(*part),
            );
        }
        if let Some(bad) = dose.fault(known) {
            let name = format!("{field}.{}", bad.field);
            self.within(&name, bad.given, bad.min, bad.max);
        }
    }

    pub(crate) fn known(&mut self, field: &str, value: &str, is_known: bool) {
        if !is_known {
            self.push(field, "unknown", &[("given", Value::Text(value))]);
        }
    }

    /// An event of an episode lies between day 0 and today.
    pub(crate) fn event_date(
        &mut self,
        field: &str,
        on: NaiveDate,
        day0: NaiveDate,
        today: NaiveDate,
    ) {
        self.date(field, on, today);
        if on < day0 {
            self.push(
                field,
                "before-day0",
                &[("day0", Value::Text(&day0.to_string()))],
            );
        }
    }

    pub(crate) fn into_fields(self) -> Vec<FieldFault> {
        self.0
    }

    pub(crate) fn check(self) -> Result<(), ApiError> {
        if self.0.is_empty() {
            Ok(())
        } else {
            Err(ApiError::invalid(self.0))
        }
    }
}
