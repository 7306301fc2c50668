//! What the home log says about one exercise: sessions by day, pain around them, gaps.

use crate::calendar::EpisodeDay;
use crate::facts::{Facts, LogFact, UseHow};

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
    exercise: &'a str,
    /// Days done, oldest first.
    pub days: Vec<SessionDay>,
}

impl<'a> Diary<'a> {
    pub fn of(facts: &'a Facts, exercise: &'a str) -> Self {
        let mut days: Vec<EpisodeDay> = Vec::new();
        for entry in &facts.log {
            let day = facts.day_of(entry.on);
            if entry.exercise.as_deref() == Some(exercise)
                && matches!(entry.fact, LogFact::Done { .. } | LogFact::LeftOut)
                && !days.contains(&day)
            {
                days.push(day);
            }
        }
        days.sort_unstable();
        let mut diary = Diary {
            facts,
            exercise,
            days: Vec::new(),
        };
        for day in days {
            // A later entry for the same day corrects the earlier one.
            let Some(LogFact::Done {
                sessions,
                repetitions,
            }) = diary.last_own(day, |f| {
                matches!(f, LogFact::Done { .. } | LogFact::LeftOut)
            })
            else {
                continue;
            };
            if sessions == 0 {
                continue;
            }
            let about = |pick: fn(&LogFact) -> Option<f64>, day| diary.worst(day, pick);
            let session = SessionDay {
                day,
                sessions,
                repetitions,
                pain_during: about(
                    |f| {
                        if let LogFact::PainDuring { value } = f {
                            Some(*value)
                        } else {
                            None
                        }
                    },
                    day,
                ),
                next_morning: about(
                    |f| {
                        if let LogFact::PainNextMorning { value } = f {
                            Some(*value)
                        } else {
                            None
                        }
                    },
                    day + 1,
                ),
                effort: about(
                    |f| {
                        if let LogFact::Effort { value } = f {
                            Some(*value)
                        } else {
                            None
                        }
                    },
                    day,
                ),
                flare: diary.flare_on(day),
            };
            diary.days.push(session);
        }
        diary
    }

    fn about(&self, day: EpisodeDay) -> impl DoubleEndedIterator<Item = &'a LogFact> + '_ {
        let facts = self.facts;
        facts
            .log
            .iter()
            .filter(move |e| {
                facts.day_of(e.on) == day
                    && e.exercise.as_deref().is_none_or(|id| id == self.exercise)
            })
            .map(|e| &e.fact)
    }

    fn last_own(&self, day: EpisodeDay, is: fn(&LogFact) -> bool) -> Option<LogFact> {
        let own = self.facts.log.iter().rev().filter(|e| {
            self.facts.day_of(e.on) == day && e.exercise.as_deref() == Some(self.exercise)
        });
        own.map(|e| e.fact).find(is)
    }

    /// The worst of what was said on a day, about this exercise or about the day as a whole.
    ///
    /// A later entry about the same corrects an earlier one; of what was said about this exercise and about the whole day the
    /// worse counts.
    fn worst(&self, day: EpisodeDay, pick: fn(&LogFact) -> Option<f64>) -> Option<f64> {
        let last = |own: bool| {
            let said = self
                .facts
                .log
                .iter()
                .rev()
                .filter(|e| self.facts.day_of(e.on) == day);
            let mut said = said.filter(|e| {
                if own {
                    e.exercise.as_deref() == Some(self.exercise)
                } else {
                    e.exercise.is_none()
                }
            });
            said.find_map(|e| pick(&e.fact))
        };
        match (last(true), last(false)) {
            (Some(a), Some(b)) => Some(a.max(b)),
            (a, b) => a.or(b),
        }
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

    pub fn next_morning(&self, day: EpisodeDay) -> Option<f64> {
        self.worst(day, |f| {
            if let LogFact::PainNextMorning { value } = f {
                Some(*value)
            } else {
                None
            }
        })
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
        let said = self.facts.log.iter().any(|e| {
            let day = self.facts.day_of(e.on);
            day > last
                && day <= today
                && e.exercise.as_deref().is_none_or(|id| id == self.exercise)
                && e.fact == LogFact::LeftOut
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
