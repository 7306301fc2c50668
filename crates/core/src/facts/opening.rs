//! When somebody of the clinic is there, and how much of that lies between two moments.

use crate::knowledge::Knowledge;
use chrono::{Datelike, NaiveDateTime, NaiveTime};
use serde::{Deserialize, Serialize};

/// Part of a weekday on which somebody of the clinic reads and answers, by the clinic's own clock.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OpenHours {
    /// 1 is Monday, 7 is Sunday.
    pub weekday: u32,
    /// When somebody comes.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "08:00:00"))]
    pub from: NaiveTime,
    /// When the last one leaves, the same day.
    #[cfg_attr(feature = "schema", schema(value_type = String, example = "17:30:00"))]
    pub until: NaiveTime,
}

/// Minutes between two moments on which the clinic was open; all of them where it has not said when it is, so that nothing
/// waits for hours that nobody set.
///
/// Both moments are by the clinic's own clock; rows of one day that overlap count once.
///
/// ```
/// use ritorno_core::facts::{OpenHours, open_minutes};
///
/// let at = |text: &str| text.parse().expect("a moment");
/// let hours = [OpenHours { weekday: 1, from: "08:00:00".parse().expect("a time"), until: "12:00:00".parse().expect("a time") }];
/// // Told on Sunday night, looked at on Monday at half past nine: an hour and a half of Monday has gone by.
/// assert_eq!(open_minutes(&hours, at("2027-02-28T22:00:00"), at("2027-03-01T09:30:00")), 90);
/// // A clinic that has said nothing counts by the clock.
/// assert_eq!(open_minutes(&[], at("2027-02-28T22:00:00"), at("2027-03-01T09:30:00")), 690);
/// ```
pub fn open_minutes(hours: &[OpenHours], from: NaiveDateTime, to: NaiveDateTime) -> i64 {
    if to <= from {
        return 0;
    }
    if hours.is_empty() {
        return (to - from).num_minutes();
    }
    let mut rows = hours.to_vec();
    rows.sort_by_key(|row| (row.from, row.until));
    let days = from.date().iter_days().take_while(|day| *day <= to.date());
    days.map(|day| {
        let weekday = day.weekday().number_from_monday();
        let mut counted = from;
        let mut minutes = 0;
        for row in rows.iter().filter(|row| row.weekday == weekday) {
            let begins = day.and_time(row.from).max(counted);
            let ends = day.and_time(row.until).min(to);
            if ends > begins {
                minutes += (ends - begins).num_minutes();
                counted = ends;
            }
        }
        minutes
    })
    .sum()
}

/// Whether the clinic was open so long between two moments, by its own clock, that what came at the first and was not read by the
/// second goes to the lead.
pub fn unread_too_long(
    known: &Knowledge,
    hours: &[OpenHours],
    from: NaiveDateTime,
    to: NaiveDateTime,
) -> bool {
    open_minutes(hours, from, to) >= known.threshold("unread-lead-minutes") as i64
}
