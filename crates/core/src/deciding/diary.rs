//! What the home log says about one exercise: sessions by day, pain around them, gaps.

use crate::calendar::EpisodeDay;
use crate::context::LogIndex;
use crate::facts::{Facts, LeftBecause, LogFact, UseHow};

/// One day on which an exercise was done.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct SessionDay {
    pub day: EpisodeDay,
    pub sessions: u32,
    /// Of each set, as done.
    pub repetitions: u32,
    /// Worst pain during, where it was said.
    pub pain_during: Option<f64>,
    /// Pain the next morning, where it was said; entered on the morning it speaks about.
    pub next_morning: Option<f64>,
    /// Perceived effort, where it was said.
    pub effort: Option<f64>,
    /// A day eased for a flare: it counts neither way.
    pub flare: bool,
}

/// The diary of one exercise.
pub(super) struct Diary<'a> {
    facts: &'a Facts,
    log: &'a LogIndex,
    exercise: &'a str,
    /// Days done, oldest first.
    pub days: Vec<SessionDay>,
}

impl<'a> Diary<'a> {
    pub fn of(log: &'a LogIndex, facts: &'a Facts, exercise: &'a str) -> Self {
        let mut diary = Diary {
            facts,
            log,
            exercise,
            days: Vec::new(),
        };
        let mut days = log.days(facts, exercise).peekable();
        while let Some((day, told)) = days.next() {
            // A later entry for the same day corrects the earlier one.
            let done = told.last(|f| match f {
                LogFact::Done {
                    sessions,
                    repetitions,
                } => Some((*sessions, *repetitions)),
                LogFact::LeftOut { .. } => Some((0, 0)),
                _ => None,
            });
            let Some((sessions, repetitions)) = done.filter(|(sessions, _)| *sessions > 0) else {
                continue;
            };
            let whole = log.whole_day(facts, day);
            let morning = days.peek().filter(|(next, _)| *next == day + 1);
            let next_morning = worse(
                morning.and_then(|(_, told)| told.last(morning_pain)),
                log.whole_day(facts, day + 1).last(morning_pain),
            );
            let worst =
                |pick: fn(&LogFact) -> Option<f64>| worse(told.last(pick), whole.last(pick));
            diary.days.push(SessionDay {
                day,
                sessions,
                repetitions,
                pain_during: worst(|f| match f {
                    LogFact::PainDuring { value } => Some(*value),
                    _ => None,
                }),
                next_morning,
                effort: worst(|f| match f {
                    LogFact::Effort { value } => Some(*value),
                    _ => None,
                }),
                flare: told
                    .facts()
                    .chain(whole.facts())
                    .any(|f| *f == LogFact::FlareDay),
            });
        }
        diary
    }

    /// Everything told of a day, about this exercise and about the day as a whole.
    fn about(&self, day: EpisodeDay) -> impl Iterator<Item = &'a LogFact> {
        let own = self.log.own(self.facts, self.exercise, day);
        own.facts()
            .chain(self.log.whole_day(self.facts, day).facts())
    }

    /// The last of these days on which it was left out because it hurt.
    pub fn left_hurting(
        &self,
        mut days: std::ops::RangeInclusive<EpisodeDay>,
    ) -> Option<EpisodeDay> {
        days.rfind(|day| {
            let why = self.log.left_because(self.facts, self.exercise, *day);
            why == Some(LeftBecause::Hurt)
        })
    }

    pub fn flare_on(&self, day: EpisodeDay) -> bool {
        self.about(day).any(|f| *f == LogFact::FlareDay)
    }

    /// Flare days among the last `window` days, today included.
    pub fn flares(&self, today: EpisodeDay, window: i32) -> usize {
        (today - window + 1..=today)
            .filter(|day| self.flare_on(*day))
            .count()
    }

    /// How bad a morning was, about this exercise or as a whole.
    pub fn next_morning(&self, day: EpisodeDay) -> Option<f64> {
        worse(
            self.log
                .own(self.facts, self.exercise, day)
                .last(morning_pain),
            self.log.whole_day(self.facts, day).last(morning_pain),
        )
    }

    /// The usual morning over the days before `day`: the median of what was said, next-morning answers and pain before.
    pub fn baseline(&self, day: EpisodeDay, window: i32) -> Option<f64> {
        let mut said: Vec<f64> = (day - window..day)
            .flat_map(|d| {
                self.about(d).filter_map(|f| match f {
                    LogFact::PainNextMorning { value } | LogFact::PainBefore { value } => {
                        Some(*value)
                    }
                    _ => None,
                })
            })
            .collect();
        said.sort_unstable_by(f64::total_cmp);
        (!said.is_empty()).then(|| said[(said.len() - 1) / 2])
    }

    /// The usual morning for going on: the median of the mornings after sessions, where a morning nobody told counts as 0.
    ///
    /// So an answer that is left out never makes a bad morning look usual.
    pub fn cautious_baseline(&self, day: EpisodeDay, window: i32) -> Option<f64> {
        let mut said: Vec<f64> = (self.days.iter())
            .filter(|d| (day - window..day).contains(&(d.day + 1)))
            .map(|d| d.next_morning.unwrap_or(0.0))
            .collect();
        said.sort_unstable_by(f64::total_cmp);
        (!said.is_empty()).then(|| said[(said.len() - 1) / 2])
    }

    /// The first morning of `window` that follows a flare day and that nobody told.
    pub fn flare_without_morning(
        &self,
        mut window: std::ops::RangeInclusive<EpisodeDay>,
    ) -> Option<EpisodeDay> {
        window.find(|day| self.flare_on(day - 1) && self.next_morning(*day).is_none())
    }

    /// Days since it was last done, and whether somebody said that it was left out in between.
    pub fn gap(&self, today: EpisodeDay, from: EpisodeDay) -> (i32, bool) {
        let done = self.days.last().map_or(from - 1, |d| d.day);
        // A week that was told as done breaks the silence, though it counts for nothing else.
        let told = self
            .facts
            .week_uses
            .iter()
            .filter(|w| w.how != UseHow::Hardly);
        let last = told
            .map(|w| self.facts.day_of(w.on))
            .filter(|day| *day <= today)
            .fold(done, i32::max);
        let hardly = self.facts.week_uses.iter().any(|w| {
            let day = self.facts.day_of(w.on);
            w.how == UseHow::Hardly && day > last && day <= today
        });
        let said = (last + 1..=today).any(|day| {
            self.about(day)
                .any(|f| matches!(f, LogFact::LeftOut { .. }))
        });
        (today - last - 1, said || hardly)
    }

    /// The newest session days that were not flare days, newest first.
    pub fn counted(&self) -> impl Iterator<Item = &SessionDay> {
        self.days.iter().rev().filter(|d| !d.flare)
    }

    /// Sessions done over the last `window` days.
    pub fn sessions(&self, today: EpisodeDay, window: i32) -> u32 {
        self.days
            .iter()
            .filter(|d| (today - window..=today).contains(&d.day))
            .map(|d| d.sessions)
            .sum()
    }
}

fn morning_pain(fact: &LogFact) -> Option<f64> {
    match fact {
        LogFact::PainNextMorning { value } => Some(*value),
        _ => None,
    }
}

/// Of what was said about this exercise and about the whole day the worse counts.
fn worse(own: Option<f64>, whole: Option<f64>) -> Option<f64> {
    match (own, whole) {
        (Some(a), Some(b)) => Some(a.max(b)),
        (a, b) => a.or(b),
    }
}
