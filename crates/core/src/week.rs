//! The week at home: which exercises on which day at which hour, and on which days they would lie better.

use crate::calendar::{EpisodeDay, date_of};
use crate::context::CheckContext;
use crate::facts::{Facts, HomeHours, Line};
use crate::knowledge::{Exercise, Level, Weekdays};
use crate::reason::Reason;
use crate::safety::running_lines;
use crate::visit::untried;
use chrono::{Datelike, Duration, NaiveDate, NaiveTime};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Seven days from today on.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekPlan {
    /// Day by day.
    pub days: Vec<WeekDay>,
    /// Lines that would lie better on other days.
    pub better: Vec<LineDays>,
    /// Lines that were not tried out yet: they are planned, and do not go home before.
    pub waits: Vec<Uuid>,
}

/// One day of the week at home.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekDay {
    /// The date.
    pub date: NaiveDate,
    /// 1 is Monday, 7 is Sunday.
    pub weekday: u32,
    /// Whether the day suits the patient.
    pub suits: bool,
    /// Sessions in their order.
    pub sessions: Vec<WeekSession>,
    /// Minutes of all sessions.
    pub minutes: f64,
    /// Minutes that the patient has, where that was asked.
    pub most_minutes: Option<u32>,
    /// When appointments of the day begin.
    #[cfg_attr(feature = "schema", schema(value_type = Vec<String>))]
    pub appointments: Vec<NaiveTime>,
    /// What there is to say about the day.
    pub notes: Vec<Reason>,
}

/// What is done in one go.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WeekSession {
    /// When; nothing where the patient named no hour for it, or an appointment lies there.
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>))]
    pub at: Option<NaiveTime>,
    /// Lines by their ids.
    pub lines: Vec<Uuid>,
    /// Minutes.
    pub minutes: f64,
}

/// The days of a week for a line: as many as it asks for.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LineDays {
    /// The line.
    pub line: Uuid,
    /// The days, Monday first.
    pub days: Weekdays,
}

/// Days of a week.
const DAYS: usize = 7;

/// The week from today on, by what the patient said of their days and hours.
///
/// Source of the order in which days are chosen: days that suit; days apart; a day without resisted work of the same muscles after slow lowering;
/// no more minutes than there are; the days of the other exercises. Common practice, no published source.
pub fn week_plan(ctx: &CheckContext, facts: &Facts) -> WeekPlan {
    let hours = facts.home_hours.as_ref();
    let untried = untried(ctx, facts);
    let days: Vec<Vec<&Line>> = (0..DAYS as EpisodeDay)
        .map(|n| {
            let day = ctx.today + n;
            let weekday = date_of(facts.story.day0, day).map(|date| date.weekday());
            running_lines(ctx, facts, day)
                .into_iter()
                .filter(|line| weekday.is_some_and(|w| line.dose.on_weekday(w)))
                .collect()
        })
        .collect();
    let week = (0..)
        .zip(&days)
        .filter_map(|(n, lines)| {
            let date = date_of(facts.story.day0, ctx.today + n)?;
            let before = usize::try_from(n).ok()?.checked_sub(1).map(|b| &days[b]);
            Some(day_of(
                ctx,
                facts,
                hours,
                date,
                (before.map_or(&[][..], |l| l), lines),
            ))
        })
        .collect();
    WeekPlan {
        days: week,
        better: better_days(ctx, facts),
        waits: (facts.lines.iter())
            .filter(|line| untried.contains(&line.exercise))
            .map(|line| line.id)
            .collect(),
    }
}

fn day_of(
    ctx: &CheckContext,
    facts: &Facts,
    hours: Option<&HomeHours>,
    date: NaiveDate,
    (before, lines): (&[&Line], &[&Line]),
) -> WeekDay {
    let weekday = date.weekday();
    let suits = hours.is_none_or(|h| h.days.0[weekday.num_days_from_monday() as usize]);
    let sessions = home_sessions(ctx, facts, date, lines);
    let minutes: f64 = sessions.iter().map(|s| s.minutes).sum();
    let mut notes = Vec::new();
    let tiring = before.iter().filter(|b| {
        let rest = |line: &&Line| {
            exercise(ctx, b)
                .zip(exercise(ctx, line))
                .is_some_and(|(b, l)| wants_rest(b, l))
        };
        lines.iter().any(rest)
    });
    for line in tiring {
        notes.push(Reason::new("week-after-slow").with("exercise", line.exercise.as_str()));
    }
    let most_minutes = facts.story.minutes_per_day;
    let over = most_minutes
        .filter(|most| minutes > f64::from(*most) + ctx.known.threshold("minutes-tolerance"));
    if let Some(most) = over {
        notes.push(
            Reason::new("week-over-minutes")
                .with("minutes", minutes.round())
                .with("max", f64::from(most)),
        );
    }
    WeekDay {
        date,
        weekday: weekday.number_from_monday(),
        suits,
        minutes,
        most_minutes,
        appointments: appointments(facts, date).map(|(at, _)| at).collect(),
        sessions,
        notes,
    }
}

fn exercise<'a>(ctx: &CheckContext<'a>, line: &Line) -> Option<&'a Exercise> {
    ctx.known.exercises.get(&line.exercise)
}

/// Whether the day after a slow lowering is to be left free of this: resisted work of the same muscles.
fn wants_rest(before: &Exercise, after: &Exercise) -> bool {
    let slow = before.demand.iter().filter(|d| d.level == Level::Eccentric);
    slow.into_iter().any(|slow| {
        let mut same = after.demand.iter().filter(|d| d.group == slow.group);
        same.any(|d| d.level >= Level::ResistedLight)
    })
}

/// Appointments of a day: when each begins and ends.
fn appointments(facts: &Facts, date: NaiveDate) -> impl Iterator<Item = (NaiveTime, NaiveTime)> {
    facts
        .appointments
        .iter()
        .filter(move |a| a.day == date)
        .map(|a| {
            let (end, over) = a
                .time
                .overflowing_add_signed(Duration::minutes(i64::from(a.minutes)));
            // One that lasts over midnight ends with the day.
            (a.time, if over == 0 { end } else { NaiveTime::MIN })
        })
}

/// The sessions of a day: as many as what is done most often asks for, at the patient's hours as far as there are any, spread over them.
pub fn home_sessions(
    ctx: &CheckContext,
    facts: &Facts,
    date: NaiveDate,
    lines: &[&Line],
) -> Vec<WeekSession> {
    let pace = ctx.known.pace();
    let many = lines
        .iter()
        .map(|l| l.dose.times_per_day)
        .max()
        .unwrap_or(0) as usize;
    let mut out: Vec<WeekSession> = (0..many)
        .map(|n| {
            let own = lines
                .iter()
                .filter(|l| among(n, l.dose.times_per_day as usize, many));
            WeekSession {
                at: None,
                minutes: own.clone().map(|l| l.dose.minutes(pace)).sum(),
                lines: own.map(|l| l.id).collect(),
            }
        })
        .collect();
    // Hours are those of the days that suit; on another one it is done when it can be.
    let hours = facts.home_hours.as_ref();
    let Some(hours) = hours.filter(|h| h.days.0[date.weekday().num_days_from_monday() as usize])
    else {
        return out;
    };
    let mut times = hours.times.clone();
    times.sort_unstable();
    times.dedup();
    let taken: Vec<_> = appointments(facts, date).collect();
    let clear = |at: &NaiveTime, minutes: f64| {
        let (end, _) = at.overflowing_add_signed(Duration::minutes(minutes.ceil() as i64));
        taken.iter().all(|(from, until)| {
            let over = *until == NaiveTime::MIN;
            end <= *from || (!over && at >= until)
        })
    };
    let longest = out.iter().map(|s| s.minutes).fold(0.0, f64::max);
    times.retain(|at| clear(at, longest));
    let there = times.len();
    for (n, session) in out.iter_mut().enumerate() {
        // The first hours where there are fewer than sessions, else spread over all of them.
        session.at = match many > there {
            true => times.get(n).copied(),
            false => (0..there)
                .filter(|t| among(*t, many, there))
                .nth(n)
                .map(|t| times[t]),
        };
    }
    out
}

/// Whether place `n` of `all` is one of `some` places spread evenly among them.
fn among(n: usize, some: usize, all: usize) -> bool {
    let all = all.max(1);
    (0..some).any(|i| (2 * i + 1) * all / (2 * some) == n)
}

/// Days for every line that is done on fewer than seven, one after the other, beside those that run at the same time; days that
/// somebody chose by hand stay.
fn better_days(ctx: &CheckContext, facts: &Facts) -> Vec<LineDays> {
    let mut lines: Vec<&Line> = facts.lines.iter().collect();
    // What rests afterwards is placed first, then what has the fewest days: it needs the most room.
    let slow = |line: &Line| {
        exercise(ctx, line).is_some_and(|e| e.demand.iter().any(|d| d.level == Level::Eccentric))
    };
    lines.sort_by_key(|line| {
        let days = line.dose.days_per_week;
        (!chosen(line), !slow(line), days, line.from_day)
    });
    let mut placed: Vec<(&Line, Weekdays)> = Vec::new();
    let mut out = Vec::new();
    for line in lines {
        let now = line.dose.days();
        let together = |(other, _): &&(&Line, Weekdays)| {
            other.from_day < line.to_day && line.from_day < other.to_day
        };
        let beside: Vec<(&Line, Weekdays)> = placed.iter().filter(together).copied().collect();
        let days = match chosen(line) || line.dose.days_per_week >= DAYS as u32 {
            true => now,
            false => best(ctx, facts, line, &beside),
        };
        placed.push((line, days));
        if days != now {
            out.push(LineDays {
                line: line.id,
                days,
            });
        }
    }
    out
}

/// The lines on the days that are better for them.
pub fn spread(ctx: &CheckContext, facts: &Facts) -> Vec<Line> {
    let better = better_days(ctx, facts);
    let mut lines = facts.lines.clone();
    for line in &mut lines {
        if let Some(days) = better.iter().find(|b| b.line == line.id) {
            line.dose.weekdays = Some(days.days);
        }
    }
    lines
}

/// Whether somebody chose the days of a line.
fn chosen(line: &Line) -> bool {
    line.by_hand && line.dose.weekdays.is_some()
}

/// The best days for a line: tried all.
fn best(ctx: &CheckContext, facts: &Facts, line: &Line, placed: &[(&Line, Weekdays)]) -> Weekdays {
    let wanted = line.dose.days_per_week;
    let of_day =
        |line: &Line| line.dose.minutes(ctx.known.pace()) * f64::from(line.dose.times_per_day);
    let own = of_day(line);
    let mut minutes = [0.0; DAYS];
    for (other, days) in placed {
        for (day, on) in days.0.into_iter().enumerate() {
            minutes[day] += if on { of_day(other) } else { 0.0 };
        }
    }
    let unsuited = |days: &Weekdays| {
        let of = |h: &HomeHours| (0..DAYS).filter(|d| days.0[*d] && !h.days.0[*d]).count();
        facts.home_hours.as_ref().map_or(0, of)
    };
    let restless = |days: &Weekdays| {
        let Some(own) = exercise(ctx, line) else {
            return 0;
        };
        let clashes = |other: &(&Line, Weekdays)| {
            let Some(row) = exercise(ctx, other.0) else {
                return 0;
            };
            let follows = |a: &Weekdays, b: &Weekdays| {
                (0..DAYS).filter(|d| a.0[*d] && b.0[(d + 1) % DAYS]).count()
            };
            let after = if wants_rest(row, own) {
                follows(&other.1, days)
            } else {
                0
            };
            let before = if wants_rest(own, row) {
                follows(days, &other.1)
            } else {
                0
            };
            after + before
        };
        placed.iter().map(clashes).sum()
    };
    let most = facts.story.minutes_per_day;
    let over = |days: &Weekdays| {
        let Some(most) = most else { return 0 };
        let room = f64::from(most) + ctx.known.threshold("minutes-tolerance");
        let on = (0..DAYS).filter(|d| days.0[*d]);
        // Whole minutes: what differs by less is the same.
        on.map(|d| (minutes[d] + own - room).max(0.0).ceil() as u32)
            .sum()
    };
    // Few days with much to do are easier kept in mind than many with little.
    let others = placed.iter().filter(|(_, other)| part_of_week(other));
    let busy = others.fold([false; DAYS], |busy, (_, other)| {
        std::array::from_fn(|d| busy[d] || other.0[d])
    });
    let alone = |days: &Weekdays| (0..DAYS).filter(|d| days.0[*d] && !busy[*d]).count();
    let now = line.dose.days();
    (0u32..1 << DAYS)
        .filter(|bits| bits.count_ones() == wanted)
        // Monday is the first of equals.
        .map(|bits| Weekdays(std::array::from_fn(|d| bits >> (DAYS - 1 - d) & 1 == 1)))
        .rev()
        .min_by_key(|days| {
            let apart = closest(days);
            let suits = (unsuited(days), DAYS - apart, restless(days));
            // What is as good stays where it is.
            (suits, over(days), alone(days), *days != now)
        })
        .unwrap_or(now)
}

/// Whether something is done on some days of the week and not on others.
fn part_of_week(days: &Weekdays) -> bool {
    days.count() < DAYS as u32
}

/// The fewest days from one to the next, around the week.
fn closest(days: &Weekdays) -> usize {
    let on: Vec<usize> = (0..DAYS).filter(|d| days.0[*d]).collect();
    let next = on.iter().cycle().skip(1);
    on.iter()
        .zip(next)
        .map(|(a, b)| (b + DAYS - a - 1) % DAYS + 1)
        .min()
        .unwrap_or(DAYS)
}
