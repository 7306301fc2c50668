//! The last days at home as a grid of exercises and days.

use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{Facts, LeftBecause};
use crate::safety::scheduled_lines;
use chrono::{Datelike, Days, NaiveDate};
use serde::Serialize;

/// One exercise on one day.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HomeCell {
    /// Sessions that were planned: 0 on a day of rest, nothing on a day on which it did not run.
    pub planned: Option<u32>,
    /// Sessions done as far as is known: 0 where it was left out.
    pub done: Option<u32>,
    /// Why it was left out, where that was said.
    pub because: Option<LeftBecause>,
}

/// One exercise over all days of the grid.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HomeRow {
    /// Exercise id.
    pub exercise: String,
    /// Repetitions of a set, as planned.
    pub repetitions: u32,
    /// A cell a day, in the order of the days.
    pub cells: Vec<HomeCell>,
}

/// The last days at home, oldest first, today the last.
#[derive(Debug, Clone, PartialEq, Eq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HomeGrid {
    /// The days.
    pub days: Vec<NaiveDate>,
    /// Exercises that ran on one of them, in the order of the program.
    pub rows: Vec<HomeRow>,
}

/// What was planned and what is known of each exercise on each of so many days up to today.
pub fn home_grid(ctx: &CheckContext, facts: &Facts, days: EpisodeDay) -> HomeGrid {
    let back = (0..days.unsigned_abs()).rev();
    let all: Vec<NaiveDate> = back
        .filter_map(|n| facts.today.checked_sub_days(Days::new(n.into())))
        .collect();
    let mut rows: Vec<HomeRow> = Vec::new();
    for (at, date) in all.iter().enumerate() {
        let day = facts.day_of(*date);
        for line in scheduled_lines(ctx, facts, day) {
            let found = rows.iter().position(|r| r.exercise == line.exercise);
            let row = found.unwrap_or_else(|| {
                rows.push(HomeRow {
                    exercise: line.exercise.clone(),
                    repetitions: line.dose.repetitions,
                    cells: vec![
                        HomeCell {
                            planned: None,
                            done: None,
                            because: None,
                        };
                        all.len()
                    ],
                });
                rows.len() - 1
            });
            rows[row].repetitions = line.dose.repetitions;
            rows[row].cells[at] = HomeCell {
                planned: Some(if line.dose.on_weekday(date.weekday()) {
                    line.dose.times_per_day
                } else {
                    0
                }),
                done: ctx.log.sessions(facts, &line.exercise, day),
                because: ctx.log.left_because(facts, &line.exercise, day),
            };
        }
    }
    HomeGrid { days: all, rows }
}
