//! Counting days and weeks of an episode.
//!
//! Day 0 is the day of the operation, else of the injury, else of the first visit; weeks are *completed* weeks: "6 weeks" means that day 42 has
//! come. Everything is a civil date, so a daylight-saving change or a leap day cannot shift a gate.
//! Source: our choice, because "week 7" reads as permission a week early.

use chrono::{Days, NaiveDate};
use serde::{Deserialize, Serialize};

/// Days since day 0 of an episode; negative before it. Serves shoulders with and without an operation.
pub type EpisodeDay = i32;

/// Days in one week.
pub const WEEK: i32 = 7;

/// The episode day of `date` when day 0 is `day0`.
///
/// ```
/// use ritorno_core::calendar::episode_day;
///
/// let operated = "2028-02-28".parse().expect("a date");
/// // 2028 is a leap year: 1 March is two days later.
/// assert_eq!(episode_day(operated, "2028-03-01".parse().expect("a date")), 2);
/// // The day before the operation.
/// assert_eq!(episode_day(operated, "2028-02-27".parse().expect("a date")), -1);
/// ```
pub fn episode_day(day0: NaiveDate, date: NaiveDate) -> EpisodeDay {
    // A clinical course is a few thousand days; chrono's range divided by a day fits an i32.
    (date - day0).num_days() as EpisodeDay
}

/// The calendar date of an episode day, or `None` outside chrono's range.
pub fn date_of(day0: NaiveDate, day: EpisodeDay) -> Option<NaiveDate> {
    if day >= 0 {
        day0.checked_add_days(Days::new(day as u64))
    } else {
        day0.checked_sub_days(Days::new(u64::from(day.unsigned_abs())))
    }
}

/// Age in completed years on `on`; a birthday on 29 February falls on 1 March in other years.
pub fn age_years(birth: NaiveDate, on: NaiveDate) -> Option<u32> {
    on.years_since(birth)
}

/// A day as a clinician reads it: completed weeks, the days left over, and the bare day.
///
/// ```
/// use ritorno_core::calendar::Clock;
///
/// let clock = Clock::at(41);
/// // The sixth week is not complete before day 42.
/// assert_eq!((clock.weeks, clock.days), (5, 6));
/// assert_eq!(Clock::at(42).weeks, 6);
/// // Before day 0 nothing has been completed.
/// assert_eq!(Clock::at(-3).weeks, 0);
/// ```
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Clock {
    /// Days since day 0.
    pub day: EpisodeDay,
    /// Completed weeks (0 before day 0).
    pub weeks: i32,
    /// Days beyond the completed weeks, 0 to 6.
    pub days: i32,
}

impl Clock {
    /// Splits a episode day.
    pub fn at(day: EpisodeDay) -> Self {
        let shown = day.max(0);
        Clock {
            day,
            weeks: shown / WEEK,
            days: shown % WEEK,
        }
    }
}

/// A value that changes on given days and holds in between.
///
/// ```
/// use ritorno_core::calendar::Steps;
///
/// let ceiling = Steps::new(vec![(42, 150.0), (14, 120.0)]);
/// assert_eq!(ceiling.at(14), Some(&120.0));
/// assert_eq!(ceiling.at(41), Some(&120.0));
/// // The last value holds for ever.
/// assert_eq!(ceiling.at(400), Some(&150.0));
/// // Before the first day there is none, which is not the same as no limit.
/// assert_eq!(ceiling.at(13), None);
/// ```
///
/// The list is sorted by day and holds its last value for ever; before its first day there is none.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, Default)]
pub struct Steps<T> {
    /// `(first day, value)`, ascending.
    pub steps: Vec<(EpisodeDay, T)>,
}

impl<T> Steps<T> {
    /// Builds a step function from unsorted rows; a later row of the same day replaces the earlier.
    pub fn new(mut rows: Vec<(EpisodeDay, T)>) -> Self {
        rows.sort_by_key(|row| row.0);
        let mut steps: Vec<(EpisodeDay, T)> = Vec::with_capacity(rows.len());
        for row in rows {
            match steps.last_mut() {
                Some(last) if last.0 == row.0 => *last = row,
                _ => steps.push(row),
            }
        }
        Steps { steps }
    }

    /// The value in force on `day`.
    pub fn at(&self, day: EpisodeDay) -> Option<&T> {
        let after = self.steps.partition_point(|step| step.0 <= day);
        after.checked_sub(1).map(|i| &self.steps[i].1)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use proptest::prelude::*;

    fn d(text: &str) -> NaiveDate {
        text.parse().expect("a date in a test")
    }

    #[test]
    fn counts_over_a_leap_day_and_over_daylight_saving_changes() {
        // Known dates: 2028 is a leap year, 2027 is not; European clocks change on 2027-03-28 and 2027-10-31.
        assert_eq!(episode_day(d("2028-02-28"), d("2028-03-01")), 2);
        assert_eq!(episode_day(d("2027-02-28"), d("2027-03-01")), 1);
        assert_eq!(episode_day(d("2027-03-27"), d("2027-03-29")), 2);
        assert_eq!(episode_day(d("2027-10-30"), d("2027-11-01")), 2);
        assert_eq!(date_of(d("2027-03-01"), 42), Some(d("2027-04-12")));
        assert_eq!(date_of(d("2028-01-20"), 42), Some(d("2028-03-02")));
        assert_eq!(episode_day(d("2026-12-31"), d("2027-12-31")), 365);
        assert_eq!(episode_day(d("2027-12-31"), d("2028-12-31")), 366);
    }

    #[test]
    fn six_weeks_means_day_forty_two_has_come() {
        assert_eq!(
            Clock::at(41),
            Clock {
                day: 41,
                weeks: 5,
                days: 6
            }
        );
        assert_eq!(
            Clock::at(42),
            Clock {
                day: 42,
                weeks: 6,
                days: 0
            }
        );
        assert_eq!(
            Clock::at(45),
            Clock {
                day: 45,
                weeks: 6,
                days: 3
            }
        );
        assert_eq!(
            Clock::at(-3),
            Clock {
                day: -3,
                weeks: 0,
                days: 0
            }
        );
    }

    #[test]
    fn a_birthday_on_leap_day_counts_from_the_first_of_march() {
        assert_eq!(age_years(d("1980-02-29"), d("2027-02-28")), Some(46));
        assert_eq!(age_years(d("1980-02-29"), d("2027-03-01")), Some(47));
        assert_eq!(age_years(d("2030-01-01"), d("2027-03-01")), None);
    }

    proptest! {
        #[test]
        fn day_and_date_are_inverse(offset in -20_000i32..20_000, day in -400i32..4_000) {
            let day0 = date_of(d("2027-01-01"), offset).expect("in range");
            let date = date_of(day0, day).expect("in range");
            prop_assert_eq!(episode_day(day0, date), day);
        }

        #[test]
        fn steps_hold_until_the_next_one(days in proptest::collection::vec(0i32..300, 1..12), probe in -10i32..320) {
            let steps = Steps::new(days.iter().map(|day| (*day, *day)).collect());
            let expected = days.iter().copied().filter(|day| *day <= probe).max();
            prop_assert_eq!(steps.at(probe).copied(), expected);
        }
    }
}
