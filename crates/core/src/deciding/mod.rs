//! Deciding progress: stop, step back, hold, more of it, or the next rung; each with its rule, its inputs and their dates,
//! the alternatives that were not taken, and the sentence for the patient. The clinician accepts, changes or overrides.
//!
//! Source of the thresholds: common practice, no published source; the pain rules after Thomeé 1997 and Silbernagel 2007 as
//! used by Holmgren 2012, from memory. All of them are rows in `thresholds.toml`.

mod change;
mod decision;
mod diary;

pub use change::{apply, asks_more};
pub use decision::{Alternative, Change, LineDecision, Move};

use crate::calendar::EpisodeDay;
use crate::episode::{Facts, Line, LogFact, OtherSide};
use crate::knowledge::{Dose, Exercise, Group, Level, WatchAct};
use crate::loading::pull_of_dose;
use crate::program::{CheckContext, Finding, Status, running_lines, scheduled_lines};
use crate::progress::{CriterionStatus, adherence_pct, evaluate};
use crate::ranges::calls;
use crate::reason::{Reason, wire};
use crate::watching::{WatchView, watch_views};
use diary::{Diary, SessionDay};

/// Decides every line that runs today.
pub fn decide(ctx: &CheckContext, facts: &Facts) -> Vec<LineDecision> {
    let day = facts.day();
    let runs = running_lines(ctx, facts, day);
    // A red flag blocks every line, so none would run: what is scheduled is told to stop.
    let lines = if ctx.open_flags.is_empty() {
        runs
    } else {
        scheduled_lines(ctx, facts, day)
    };
    let watches = watch_views(ctx, facts);
    let mut out: Vec<LineDecision> = lines
        .into_iter()
        .filter_map(|l| decide_watched(ctx, facts, l, &watches))
        .collect();
    out.sort_by(|a, b| a.kind.cmp(&b.kind).then(a.exercise.cmp(&b.exercise)));
    out
}

struct Say {
    kind: Move,
    rule: Reason,
    change: Change,
}

/// Decides one line; `None` when its exercise is not known.
///
/// The order is fixed: stop, step back, a flare day, hold, more of it, next rung. What is unknown never counts as good.
pub fn decide_line(ctx: &CheckContext, facts: &Facts, line: &Line) -> Option<LineDecision> {
    decide_watched(ctx, facts, line, &watch_views(ctx, facts))
}

fn decide_watched(
    ctx: &CheckContext,
    facts: &Facts,
    line: &Line,
    watches: &[WatchView],
) -> Option<LineDecision> {
    let exercise = ctx.known.exercises.get(&line.exercise)?;
    let diary = Diary::of(facts, &line.exercise);
    let watches = watches
        .iter()
        .filter(|w| w.speaks && w.concerns(&exercise.ladder))
        .collect();
    let case = Case {
        ctx,
        facts,
        line,
        exercise,
        diary,
        watches,
        day: facts.day(),
    };
    let mut inputs = case.inputs();
    let mut alternatives = Vec::new();
    let say = case
        .stop()
        .or_else(|| case.after_gap())
        .or_else(|| case.step_back())
        .or_else(|| case.flare())
        .or_else(|| case.hold())
        .unwrap_or_else(|| case.forward(&mut alternatives));
    let held = say.kind > Move::Ease && !matches!(say.kind, Move::ProgressDose | Move::NextRung);
    if held && !overdone(&say.rule) {
        alternatives.extend(case.could_go_on(&say.rule));
    }
    inputs.dedup();
    Some(LineDecision {
        line: line.id,
        exercise: line.exercise.clone(),
        kind: say.kind,
        patient: case.sentence(say.kind, &say.change),
        rule: say.rule.with("exercise", line.exercise.as_str()),
        inputs,
        alternatives,
        today: (say.kind == Move::Ease).then(|| case.eased()),
        change: say.change,
    })
}

/// Whether the rule says that too much was done.
fn overdone(rule: &Reason) -> bool {
    rule.rule.starts_with("hold-overdone")
}

impl LineDecision {
    /// Whether more of anything would be the wrong answer: to a stop, to a step back, and to too much.
    pub fn forbids_more(&self) -> bool {
        matches!(self.kind, Move::Stop | Move::StepBack) || overdone(&self.rule)
    }
}

struct Case<'a> {
    ctx: &'a CheckContext<'a>,
    facts: &'a Facts,
    line: &'a Line,
    exercise: &'a Exercise,
    diary: Diary<'a>,
    watches: Vec<&'a WatchView>,
    day: EpisodeDay,
}

impl Case<'_> {
    /// Pain above this is outside the mode on `day` for this exercise.
    fn pain_max(&self, day: EpisodeDay) -> f64 {
        let exercise = Some(self.exercise);
        self.ctx.rules.pain_max(self.ctx.known, exercise, day)
    }

    fn threshold(&self, id: &str) -> f64 {
        self.ctx.known.threshold(id)
    }

    /// Repetitions from which an elastic may, and from which it must, go up a level.
    fn elastic_repetitions(&self) -> [u32; 2] {
        ["elastic-may-repetitions", "elastic-must-repetitions"].map(|id| self.threshold(id) as u32)
    }

    fn dose(&self) -> &Dose {
        &self.line.dose
    }

    fn loose(&self) -> bool {
        self.ctx.rules.loose || self.facts.story.other_side == OtherSide::Hypermobile
    }

    /// Sessions needed in a row: two, three after an operation.
    fn needed(&self) -> usize {
        self.threshold(if self.ctx.rules.protects() {
            "top-sessions-operated"
        } else {
            "top-sessions"
        }) as usize
    }

    fn inputs(&self) -> Vec<Reason> {
        let mut out: Vec<Reason> = self
            .diary
            .counted()
            .take(self.needed())
            .map(|d| {
                let r = Reason::new("input-session")
                    .with("day", d.day)
                    .with("sessions", f64::from(d.sessions))
                    .with("repetitions", f64::from(d.repetitions));
                let known = |r: Reason, name: &str, v: Option<f64>| {
                    r.with(
                        name,
                        v.map_or_else(
                            || crate::reason::Arg::Text("?".into()),
                            crate::reason::Arg::Number,
                        ),
                    )
                };
                known(known(r, "pain", d.pain_during), "morning", d.next_morning)
            })
            .collect();
        if let Some(pct) = adherence_pct(self.ctx, self.facts, 14) {
            out.push(Reason::new("input-adherence").with("percent", pct.round()));
        }
        if let Some(base) = self
            .diary
            .baseline(self.day, self.threshold("pain-baseline-days") as i32)
        {
            out.push(Reason::new("input-baseline").with("pain", base));
        }
        out
    }

    /// Flags and slips. A slip is told apart: a loose shoulder at its own usual number steps back, anything else is asked about.
    fn stop(&self) -> Option<Say> {
        if let Some(flag) = self.ctx.open_flags.first() {
            return Some(Say {
                kind: Move::Stop,
                rule: Reason::new("stop-flag").with("flag", flag.as_str()),
                change: Change::None,
            });
        }
        let recent = |days: i32| {
            self.facts
                .log
                .iter()
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
    fn eased(&self) -> Dose {
        let anchor = self.exercise.anchor_m();
        let mut dose = change::eased(self.dose(), anchor, self.threshold("flare-nearer-m"));
        dose.force_n = pull_of_dose(self.ctx.known, self.facts, self.exercise, &dose);
        dose
    }

    fn lighter(&self) -> Change {
        Change::Dose {
            dose: change::less(self.dose(), self.threshold("step-back-cut-pct")),
        }
    }

    /// Days without: said to be left out, the rung follows; unlogged is not undone, so it is asked.
    fn after_gap(&self) -> Option<Say> {
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
    fn window(&self) -> std::ops::RangeInclusive<EpisodeDay> {
        self.day - self.threshold("morning-window-days") as i32 + 1..=self.day
    }

    /// The usual morning before that window.
    fn usual_morning(&self) -> Option<f64> {
        let window = self.threshold("pain-baseline-days") as i32;
        self.diary.baseline(*self.window().start(), window)
    }

    /// Mornings of the window that are worse than `base`, after a session or not: trouble comes late.
    fn worse_mornings(&self, base: f64) -> impl Iterator<Item = (EpisodeDay, f64)> + '_ {
        let limit = base + self.threshold("morning-rise-points");
        self.window().filter_map(move |d| {
            let pain = self.diary.next_morning(d)?;
            (pain >= limit).then_some((d, pain))
        })
    }

    /// Mornings that are worse, pain above its mode twice running, too many flare days, range that was lost.
    fn step_back(&self) -> Option<Say> {
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
    fn flare(&self) -> Option<Say> {
        self.diary.flare_on(self.day).then(|| {
            let dose = self.eased();
            let mut rule = Reason::new("ease-flare")
                .with("sets", f64::from(dose.sets))
                .with("repetitions", f64::from(dose.repetitions));
            let before = self.dose().distance_m.or(self.exercise.anchor_m());
            if let (Some(now), Some(then)) = (dose.distance_m, before) {
                let nearer = ((then - now) * 100.0).round() / 100.0;
                rule = Reason::new("ease-flare-nearer")
                    .with("nearer_m", nearer)
                    .with("repetitions", f64::from(dose.repetitions));
                let usual = self.dose().force_n.or_else(|| {
                    pull_of_dose(self.ctx.known, self.facts, self.exercise, self.dose())
                });
                if let (Some(eased), Some(usual)) = (dose.force_n, usual) {
                    rule.rule = "ease-flare-newtons".into();
                    rule = rule.with("eased_n", eased).with("usual_n", usual);
                }
            } else if self.exercise.hardest() < Level::Isometric {
                rule =
                    Reason::new("ease-flare-arc").with("repetitions", f64::from(dose.repetitions));
            }
            Say {
                kind: Move::Ease,
                rule,
                change: Change::None,
            }
        })
    }

    /// Sore, stiff, or not known.
    fn hold(&self) -> Option<Say> {
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
        let Some(last) = self.diary.counted().next() else {
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
        match adherence_pct(self.ctx, self.facts, 14) {
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
            .facts
            .log
            .iter()
            .rev()
            .find(|e| e.fact.is_slip())
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
    fn overdone_day(&self) -> Option<(EpisodeDay, u32, u32)> {
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
    fn protected(&self, day: EpisodeDay) -> bool {
        let loads = |group| {
            self.ctx
                .rules
                .allowance(day)
                .is_some_and(|a| a.permits(group, Level::Resisted))
        };
        self.ctx.rules.protects() && !(loads(Group::Cuff) && loads(Group::Subscapularis))
    }

    /// The last sessions in a row that were whole and quiet; what was not answered breaks the row and is told.
    fn row(&self) -> Result<usize, Reason> {
        let dose = self.dose();
        // A bad day counts for nothing here, but how it ended is asked before anything is added.
        if let Some(day) = self.diary.flare_without_morning(self.window()) {
            return Err(Reason::new("hold-no-morning-answer").with("day", day));
        }
        let mut row = 0;
        for d in self.diary.counted().filter(|d| d.day >= self.line.from_day) {
            if d.repetitions < dose.repetitions {
                break;
            }
            let Some(during) = d.pain_during else {
                return Err(Reason::new("hold-no-pain-answer").with("day", d.day));
            };
            // The morning after today's session has not come yet.
            let Some(morning) = d.next_morning else {
                if d.day >= self.day {
                    continue;
                }
                return Err(Reason::new("hold-no-morning-answer").with("day", d.day + 1));
            };
            let base = self
                .diary
                .cautious_baseline(d.day + 1, self.threshold("pain-baseline-days") as i32)
                .unwrap_or(morning);
            if during > self.pain_max(d.day)
                || morning >= base + self.threshold("morning-rise-points")
            {
                break;
            }
            if d.effort.is_some_and(|e| e > self.threshold("effort-max")) {
                break;
            }
            row += 1;
            if row >= self.needed() {
                break;
            }
        }
        Ok(row)
    }

    /// More of it, or the next rung, once enough sessions in a row were whole and quiet.
    fn forward(&self, alternatives: &mut Vec<Alternative>) -> Say {
        let row = match self.row() {
            Ok(row) => row,
            Err(rule) => {
                return Say {
                    kind: Move::HoldUnknown,
                    rule,
                    change: Change::None,
                };
            }
        };
        let needed = self.needed();
        if row < needed {
            let rule = Reason::new("hold-not-yet")
                .with("done", row as f64)
                .with("needed", needed as f64);
            return Say {
                kind: Move::HoldTooEarly,
                rule,
                change: Change::None,
            };
        }
        let more = change::more(self.exercise, self.dose(), self.elastic_repetitions())
            .map(|dose| Change::Dose { dose });
        let passes = |change: &Change| match change {
            Change::Dose { dose } => change::against(self.ctx, self.exercise, dose, self.day),
            _ => Vec::new(),
        };
        let full = change::at_top(self.exercise, self.dose());
        let offers = change::next_rungs(self.ctx, self.exercise, self.day).into_iter();
        let asked = offers.map(|(change, against)| {
            let asks = self.step_asks(&change);
            (change, against, asks)
        });
        // The first that nothing speaks against and that asks for nothing more; else the first.
        let next = asked.min_by_key(|(_, against, asks)| (!against.is_empty(), !asks.is_empty()));
        let waits = next.is_some();
        match next {
            Some((change, against, asks)) if full && against.is_empty() && asks.is_empty() => {
                if let Some(dose) = more {
                    alternatives.push(Alternative {
                        kind: Move::ProgressDose,
                        reason: Reason::new("instead-next-rung"),
                        change: dose,
                        overridable: true,
                    });
                }
                return Say {
                    kind: Move::NextRung,
                    rule: Reason::new("next-rung").with("needed", needed as f64),
                    change,
                };
            }
            // Never harder for want of a number: what the step asks for is measured first, or taken with a reason.
            Some((change, against, asks)) if full && against.is_empty() => {
                alternatives.extend(asks.first().map(|reason| Alternative {
                    kind: Move::NextRung,
                    reason: reason.clone(),
                    change,
                    overridable: true,
                }));
            }
            Some((change, against, _)) => {
                alternatives.push(not_now(Move::NextRung, &change, &against, full))
            }
            None => {}
        }
        if let Some(change) = more {
            let against = passes(&change);
            if against.is_empty() {
                return Say {
                    kind: Move::ProgressDose,
                    rule: Reason::new("progress-dose").with("needed", needed as f64),
                    change,
                };
            }
            alternatives.push(not_now(Move::ProgressDose, &change, &against, true));
        }
        let rule = Reason::new(if waits {
            "hold-next-waits"
        } else {
            "hold-ladder-end"
        });
        Say {
            kind: Move::HoldTooEarly,
            rule,
            change: Change::None,
        }
    }

    /// What the step to another rung asks for and does not have, as reasons.
    fn step_asks(&self, change: &Change) -> Vec<Reason> {
        let Change::Exercise { exercise: to, .. } = change else {
            return Vec::new();
        };
        let steps = self
            .ctx
            .known
            .steps
            .iter()
            .filter(|s| s.from == self.exercise.id && s.to.contains(to));
        let views = steps
            .flat_map(|s| &s.criteria)
            .map(|c| evaluate(self.ctx, self.facts, c));
        views
            .filter(|v| v.status != CriterionStatus::Met)
            .map(|v| v.asks)
            .collect()
    }

    /// While it holds, a clinician may still go on where no rule of healing is against it.
    fn could_go_on(&self, why: &Reason) -> Option<Alternative> {
        let change = change::more(self.exercise, self.dose(), self.elastic_repetitions())
            .map(|dose| Change::Dose { dose })?;
        let Change::Dose { dose } = &change else {
            return None;
        };
        let against = change::against(self.ctx, self.exercise, dose, self.day);
        let overridable = against.iter().all(|f| f.overridable);
        Some(Alternative {
            kind: Move::ProgressDose,
            reason: why.clone(),
            change,
            overridable,
        })
    }

    fn sentence(&self, kind: Move, change: &Change) -> Reason {
        let key = match kind {
            Move::Stop => "say-stop",
            Move::StepBack => "say-step-back",
            Move::Ease => "say-ease",
            Move::HoldSore => "say-sore",
            Move::HoldStiff => "say-stiff",
            Move::HoldUnknown => "say-unknown",
            Move::HoldTooEarly => "say-stay",
            Move::ProgressDose => "say-more",
            Move::NextRung => "say-next",
        };
        let reason = Reason::new(key).with("exercise", self.line.exercise.as_str());
        match change {
            Change::Exercise { exercise, .. } => reason.with("next", exercise.as_str()),
            _ => reason.with("next", self.line.exercise.as_str()),
        }
    }
}

fn not_now(kind: Move, change: &Change, against: &[Finding], full: bool) -> Alternative {
    let reason = match against.first() {
        Some(finding) => finding.reason.clone(),
        None if !full => Reason::new("not-at-top"),
        None => Reason::new("instead-more"),
    };
    let overridable = against
        .iter()
        .all(|f| f.overridable && f.status != Status::Blocked);
    Alternative {
        kind,
        reason,
        change: change.clone(),
        overridable,
    }
}
