//! What speaks against going on: a stop, days without, trouble that steps back, a bad day, what holds.

use super::case::{Case, Say};
use super::change;
use super::decision::{Change, Move};
use super::diary::SessionDay;
use crate::calendar::EpisodeDay;
use crate::facts::LogFact;
use crate::force::pull_of_dose;
use crate::knowledge::{Dose, Group, Level, WatchAct};
use crate::ranges::calls;
use crate::reason::{Reason, wire};

impl Case<'_> {
    /// Flags and slips. A slip is told apart: a loose shoulder at its own usual number steps back, anything else is asked about.
    pub(super) fn stop(&self) -> Option<Say> {
        if let Some(flag) = self.ctx.open_flags.first() {
            return Some(Say {
                kind: Move::Stop,
                rule: Reason::new("stop-flag").with("flag", flag.as_str()),
                change: Change::None,
            });
        }
        let recent = |days: i32| {
            self.ctx
                .log
                .slips(self.facts)
                .filter(move |e| (0..days).contains(&(self.day - self.facts.day_of(e.on))))
        };
        if let Some((how, on)) =
            recent(self.threshold("recent-trouble-days") as i32).find_map(|e| match e.fact {
                LogFact::SlipWorse { how } => Some((how, e.on)),
                _ => None,
            })
        {
            let rule = Reason::new("stop-slip-worse")
                .with("how", wire(how))
                .with("day", self.facts.day_of(on));
            return Some(Say {
                kind: Move::Stop,
                rule,
                change: Change::None,
            });
        }
        let slips = recent(7).filter(|e| e.fact == LogFact::Slip).count();
        let today = recent(2).any(|e| e.fact == LogFact::Slip);
        if today && self.loose() && slips as u32 <= self.facts.story.slips_per_week.unwrap_or(0) {
            // A slip told of one exercise speaks of that one; breathing and posture ask nothing of the joint.
            let of_this = recent(2).filter(|e| e.fact == LogFact::Slip).any(|e| {
                e.exercise
                    .as_deref()
                    .is_none_or(|id| id == self.exercise.id)
            });
            if !of_this || self.exercise.asks_nothing_of_the_joint() {
                return None;
            }
            let change = match change::rung_below(self.ctx, self.exercise, 1, self.day) {
                Some(Change::Exercise { exercise, dose }) => Change::Exercise {
                    exercise,
                    dose: change::half_load(&dose),
                },
                _ => Change::Dose {
                    dose: change::half_load(self.dose()),
                },
            };
            return Some(Say {
                kind: Move::Stop,
                rule: Reason::new("stop-slip-usual").with("count", slips as f64),
                change,
            });
        }
        if today {
            let rule = Reason::new("stop-slip").with("count", slips as f64);
            // More slips than this shoulder's usual: nothing easier is offered until a clinician has looked.
            return Some(Say {
                kind: Move::Stop,
                rule,
                change: Change::None,
            });
        }
        None
    }

    /// The dose of a bad day, with the pull of the band where it then is.
    pub(super) fn eased(&self) -> Dose {
        let mut dose = change::bad_day(self.ctx.known, self.exercise, self.dose()).dose;
        dose.force_n = pull_of_dose(self.ctx.known, self.facts, self.exercise, &dose);
        dose
    }

    pub(super) fn lighter(&self) -> Change {
        Change::Dose {
            dose: change::less(self.dose(), self.threshold("step-back-cut-pct")),
        }
    }

    /// Days without: said to be left out, the rung follows; unlogged is not undone, so it is asked.
    pub(super) fn after_gap(&self) -> Option<Say> {
        let (gap, said) = self.diary.gap(self.day, self.line.from_day.max(0));
        let gap_f = f64::from(gap);
        if gap_f < self.threshold("gap-lower-days") {
            return None;
        }
        let below = |down| change::rung_below(self.ctx, self.exercise, down, self.day);
        // Silence is asked about first; when nobody can say, a fortnight counts as one without, four weeks as a new test.
        let named = |said_rule, silent_rule| if said { said_rule } else { silent_rule };
        let (rule, change) = if gap_f >= self.threshold("gap-two-rungs-days") {
            (named("gap-two-rungs", "silence-two-rungs"), below(2))
        } else if gap_f >= self.threshold("gap-one-rung-days") {
            (named("gap-one-rung", "silence-one-rung"), below(1))
        } else if !said {
            let rule = Reason::new("hold-unlogged").with("days", gap);
            return Some(Say {
                kind: Move::HoldUnknown,
                rule,
                change: Change::None,
            });
        } else {
            (
                "gap-lower-half",
                Some(Change::Dose {
                    dose: change::lower_half(self.exercise, self.dose()),
                }),
            )
        };
        let change = change.unwrap_or_else(|| Change::Dose {
            dose: change::lower_half(self.exercise, self.dose()),
        });
        Some(Say {
            kind: Move::StepBack,
            rule: Reason::new(rule).with("days", gap),
            change,
        })
    }

    /// The last days on which a morning is looked at for stepping back and for going on.
    pub(super) fn window(&self) -> std::ops::RangeInclusive<EpisodeDay> {
        self.day - self.threshold("morning-window-days") as i32 + 1..=self.day
    }

    /// The usual morning before that window.
    pub(super) fn usual_morning(&self) -> Option<f64> {
        let window = self.threshold("pain-baseline-days") as i32;
        self.diary.baseline(*self.window().start(), window)
    }

    /// Mornings of the window that are worse than `base`, after a session or not: trouble comes late.
    pub(super) fn worse_mornings(&self, base: f64) -> impl Iterator<Item = (EpisodeDay, f64)> + '_ {
        let limit = base + self.threshold("morning-rise-points");
        self.window().filter_map(move |d| {
            let pain = self.diary.next_morning(d)?;
            (pain >= limit).then_some((d, pain))
        })
    }

    /// Mornings that are worse, pain above its mode twice running, too many flare days, range that was lost.
    pub(super) fn step_back(&self) -> Option<Say> {
        let back = |rule: Reason| {
            let change = change::rung_below(self.ctx, self.exercise, 1, self.day)
                .unwrap_or_else(|| self.lighter());
            Some(Say {
                kind: Move::StepBack,
                rule,
                change,
            })
        };
        let rise = self.threshold("morning-rise-points");
        if let Some(base) = self.usual_morning() {
            let worse = self.worse_mornings(base).count();
            if worse as f64 >= self.threshold("morning-worse-days") {
                return back(
                    Reason::new("back-mornings")
                        .with("count", worse as f64)
                        .with("points", rise)
                        .with("pain", base),
                );
            }
        }
        let above = |d: &&SessionDay| d.pain_during.is_some_and(|p| p > self.pain_max(d.day));
        let running = self.diary.counted().take_while(above).count();
        if running as f64 >= self.threshold("pain-above-sessions") {
            return back(
                Reason::new("back-pain-above")
                    .with("count", running as f64)
                    .with("max", self.pain_max(self.day)),
            );
        }
        let flares = self.diary.flares(self.day, 7);
        if flares as f64 >= self.threshold("flare-days-in-week") {
            return back(Reason::new("back-flares").with("count", flares as f64));
        }
        let lost = self
            .exercise
            .adapts
            .as_ref()
            .into_iter()
            .flat_map(|a| calls(self.ctx, self.facts, &a.quantity))
            .find(|r| r.rule == "range-lost");
        // Once: what was seen before the line began has been answered by it.
        let watch = self.watches.iter().find(|w| {
            w.act == WatchAct::Back && w.since_day.is_none_or(|day| day >= self.line.from_day)
        });
        lost.or_else(|| watch.map(|w| w.reason("back-watch")))
            .and_then(back)
    }

    /// A bad day: an overlay for that day, which ends by itself and changes no line.
    pub(super) fn flare(&self) -> Option<Say> {
        self.diary.flare_on(self.day).then(|| {
            let dose = self.eased();
            let much =
                |rule: &str| Reason::new(rule).with("repetitions", f64::from(dose.repetitions));
            let mut rule = match dose.duration_s {
                Some(seconds) => {
                    Reason::new("ease-flare-timed").with("seconds", f64::from(seconds))
                }
                None => much("ease-flare"),
            }
            .with("sets", f64::from(dose.sets));
            let easier = change::bad_day(self.ctx.known, self.exercise, self.dose());
            if let Some(nearer) = easier.nearer_m {
                rule = much("ease-flare-nearer").with("nearer_m", nearer);
                let usual = self.dose().force_n.or_else(|| {
                    pull_of_dose(self.ctx.known, self.facts, self.exercise, self.dose())
                });
                if let (Some(eased), Some(usual)) = (dose.force_n, usual) {
                    rule.rule = "ease-flare-newtons".into();
                    rule = rule.with("eased_n", eased).with("usual_n", usual);
                }
            } else if easier.smaller_arc {
                rule = much("ease-flare-arc");
            }
            Say {
                kind: Move::Ease,
                rule,
                change: Change::None,
            }
        })
    }

    /// Sore, stiff, or not known.
    pub(super) fn hold(&self) -> Option<Say> {
        let hold = |kind, rule: Reason| {
            Some(Say {
                kind,
                rule,
                change: Change::None,
            })
        };
        if let Some(watch) = self
            .watches
            .iter()
            .find(|w| matches!(w.act, WatchAct::Hold | WatchAct::Back))
        {
            return hold(Move::HoldTooEarly, watch.reason("hold-watch"));
        }
        // Left out because it hurt and not done since: nobody knows that it has settled, so it is not done more often either.
        let last = self.diary.counted().next();
        let since = last.map_or(self.line.from_day, |last| last.day);
        if let Some(day) = self.diary.left_hurting(since..=self.day) {
            return hold(
                Move::HoldSore,
                Reason::new("hold-left-hurt").with("day", day),
            );
        }
        if let Some(adapts) = &self.exercise.adapts {
            let said = calls(self.ctx, self.facts, &adapts.quantity);
            if said.iter().any(|r| r.rule == "measurement-over-ceiling") {
                return hold(
                    Move::HoldTooEarly,
                    Reason::new("hold-over-ceiling").with("quantity", adapts.quantity.as_str()),
                );
            }
            if said.iter().any(|r| r.rule == "measurement-below-floor") {
                let change = change::more_often(self.exercise, self.dose())
                    .map_or(Change::None, |dose| Change::Dose { dose });
                return Some(Say {
                    kind: Move::HoldStiff,
                    rule: Reason::new("hold-stiff").with("quantity", adapts.quantity.as_str()),
                    change,
                });
            }
        }
        let Some(last) = last else {
            return hold(Move::HoldUnknown, Reason::new("hold-nothing-logged"));
        };
        if last
            .pain_during
            .is_some_and(|p| p > self.pain_max(last.day))
        {
            let rule = Reason::new("hold-sore")
                .with("pain", last.pain_during.unwrap_or(0.0))
                .with("max", self.pain_max(last.day))
                .with("day", last.day);
            return Some(Say {
                kind: Move::HoldSore,
                rule,
                change: self.lighter(),
            });
        }
        let base = self
            .diary
            .baseline(last.day, self.threshold("pain-baseline-days") as i32);
        if let (Some(morning), Some(base)) = (last.next_morning, base)
            && morning >= base + self.threshold("morning-rise-points")
        {
            let rule = Reason::new("hold-morning")
                .with("pain", morning)
                .with("baseline", base)
                .with("day", last.day + 1);
            return Some(Say {
                kind: Move::HoldSore,
                rule,
                change: self.lighter(),
            });
        }
        // One worse morning after a day of rest steps nobody back; it is no time for more either.
        if let Some(base) = self.usual_morning()
            && let Some((day, pain)) = self.worse_mornings(base).last()
        {
            let rule = Reason::new("hold-morning")
                .with("pain", pain)
                .with("baseline", base)
                .with("day", day);
            return hold(Move::HoldSore, rule);
        }
        let planned = f64::from(self.dose().times_per_day) * f64::from(self.dose().days_per_week);
        let done = f64::from(self.diary.sessions(self.day, 6));
        if done > planned * self.threshold("overdone-pct") / 100.0 {
            let rule = Reason::new("hold-overdone")
                .with("done", done)
                .with("planned", planned);
            return hold(Move::HoldSore, rule);
        }
        if let Some((day, done, most)) = self.overdone_day() {
            let rule = Reason::new("hold-overdone-day")
                .with("done", f64::from(done))
                .with("planned", f64::from(self.dose().times_per_day))
                .with("most", f64::from(most))
                .with("day", day);
            return hold(Move::HoldSore, rule);
        }
        match self.done_pct {
            None => return hold(Move::HoldUnknown, Reason::new("hold-nothing-logged")),
            Some(pct) if pct < self.threshold("adherence-pct") => {
                return hold(
                    Move::HoldTooEarly,
                    Reason::new("hold-adherence")
                        .with("percent", pct.round())
                        .with("least", self.threshold("adherence-pct")),
                );
            }
            Some(_) => {}
        }
        let free = self.threshold("symptom-free-days") as i32;
        let slip = self
            .ctx
            .log
            .slips(self.facts)
            .next_back()
            .map(|e| self.day - self.facts.day_of(e.on));
        if slip.is_some_and(|ago| ago < free) {
            return hold(
                Move::HoldTooEarly,
                Reason::new("hold-symptom-free").with("days", free),
            );
        }
        None
    }

    /// The newest day of the window on which far too much was done, with how much and how much may be: more than twice the plan;
    /// any session more while the joint is protected. Source: our choice, because one such day is enough to undo a week.
    pub(super) fn overdone_day(&self) -> Option<(EpisodeDay, u32, u32)> {
        let planned = self.dose().times_per_day;
        self.diary.days.iter().rev().find_map(|d| {
            let most = if self.protected(d.day) {
                planned
            } else {
                planned * self.threshold("overdone-day-times") as u32
            };
            (self.window().contains(&d.day) && d.sessions > most)
                .then_some((d.day, d.sessions, most))
        })
    }

    /// Whether something heals here by the calendar and may not be loaded yet.
    pub(super) fn protected(&self, day: EpisodeDay) -> bool {
        let loads = |group| {
            self.ctx
                .rules
                .allowance(day)
                .is_some_and(|a| a.permits(group, Level::Resisted))
        };
        self.ctx.rules.protects() && !(loads(Group::Cuff) && loads(Group::Subscapularis))
    }
}
