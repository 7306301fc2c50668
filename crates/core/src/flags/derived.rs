//! Flags that findings, measurements and the log raise. Each keeps its cause: newer and better news never takes it away.
//!
//! Which records raise which flag stands in `red-flags.toml` ([`RaisedBy`]); here each kind of row is worked out.

use crate::calendar::{WEEK, age_years};
use crate::context::CheckContext;
use crate::facts::{Answer, Facts, LogFact, Measurement, Start, TestAnswer, TestFinding};
use crate::knowledge::{RaisedBy, RaisingCall, RedFlag, WatchAct};
use crate::progress::watch_views;
use crate::ranges::calls_of;
use crate::reason::Reason;
use chrono::NaiveDate;

/// A flag that something on record raises.
#[derive(Debug, Clone, PartialEq)]
pub struct Derived {
    /// Flag id.
    pub flag: String,
    /// What a step names: ids of the records it rests on.
    pub key: String,
    /// The day of the newest of them.
    pub on: NaiveDate,
    /// What the rule says.
    pub reason: Reason,
    /// How great the loss is, where that can be told, so that a known one may stand.
    pub size: Option<f64>,
}

/// Everything on record that raises a flag by itself, most urgent first; what holds only together with others comes last.
pub(crate) fn derived_flags(ctx: &CheckContext, facts: &Facts) -> Vec<Derived> {
    let mut raising = Raising {
        ctx,
        facts,
        out: Vec::new(),
    };
    let rows = || {
        let flags = ctx.known.red_flags.iter();
        flags.flat_map(|flag| flag.raised_by.iter().map(move |row| (flag, row)))
    };
    let needs_others = |row: &RaisedBy| matches!(row, RaisedBy::Together { .. });
    for (flag, row) in rows().filter(|(_, row)| !needs_others(row)) {
        raising.row(flag, row);
    }
    for (flag, row) in rows().filter(|(_, row)| needs_others(row)) {
        raising.row(flag, row);
    }
    raising.out
}

/// What one row compares, with what was raised so far.
struct Raising<'a> {
    ctx: &'a CheckContext<'a>,
    facts: &'a Facts,
    out: Vec<Derived>,
}

impl<'a> Raising<'a> {
    fn row(&mut self, flag: &RedFlag, row: &'a RaisedBy) {
        match row {
            RaisedBy::Finding {
                test,
                words,
                unoperated,
            } => {
                let found = self.findings().filter(|f| &f.test == test);
                let says = found.filter(
                    |f| matches!(f.answer, TestAnswer::Word { found } if words.contains(&found)),
                );
                for finding in says.filter(|_| !unoperated || !self.facts.operated()) {
                    self.on_day(flag, flag.rule(), finding.id, finding.on);
                }
            }
            RaisedBy::Slip { how } => {
                for entry in self.ctx.log.slips(self.facts) {
                    if entry.fact == (LogFact::SlipWorse { how: *how }) {
                        self.on_day(flag, flag.rule(), entry.id, entry.on);
                    }
                }
            }
            RaisedBy::Stuck { quantity, at_most } => self.stuck(flag, quantity, at_most),
            RaisedBy::Gap {
                active,
                passive,
                above,
                from_week,
            } => {
                let from_day = self.bound(from_week) * f64::from(WEEK);
                for pair in self.pairs(active, passive) {
                    let day = f64::from(self.facts.day_of(pair.active.on));
                    if day >= from_day && pair.gap() > self.bound(above) {
                        self.short(flag, &pair);
                    }
                }
            }
            RaisedBy::Lost {
                active,
                passive,
                loss,
                gap,
                from_age,
            } => {
                for pair in self.pairs(active, passive) {
                    let of_it = self.facts.operated_measurements(&pair.active.quantity);
                    let before = of_it.take_while(|m| m.id != pair.active.id).last();
                    let lost = before.map_or(0.0, |b| b.value - pair.active.value);
                    if self.old_enough(pair.active.on, from_age)
                        && lost >= self.bound(loss)
                        && pair.gap() >= self.bound(gap)
                    {
                        self.short(flag, &pair);
                    }
                }
            }
            RaisedBy::LagBesideGap {
                active,
                passive,
                active_below,
                gap,
                lag,
                from_age,
            } => {
                let lag = self.newest_lag(self.bound(lag));
                let Some((lag, degrees)) = lag.filter(|_| !self.facts.operated()) else {
                    return;
                };
                for pair in self.pairs(active, passive) {
                    if self.old_enough(pair.active.on, from_age)
                        && pair.active.value < self.bound(active_below)
                        && pair.gap() >= self.bound(gap)
                    {
                        let reason = Reason::new(&flag.rule())
                            .with("quantity", passive.as_str())
                            .with("active", pair.active.value)
                            .with("passive", pair.passive.value)
                            .with("test", lag.test.as_str())
                            .with("degrees", degrees);
                        let key = format!("{}+{}", pair.active.id, lag.id);
                        let on = pair.active.on.max(lag.on);
                        self.raise(flag, key, on, reason, Some(degrees));
                    }
                }
            }
            RaisedBy::Call { quantities, calls } => self.called(flag, quantities, calls),
            RaisedBy::Together { flags } => self.together(flag, flags),
            RaisedBy::Watch => self.watches(flag),
        }
    }

    fn bound(&self, threshold: &str) -> f64 {
        self.ctx.known.named_threshold(threshold)
    }

    fn old_enough(&self, on: NaiveDate, from_age: &str) -> bool {
        f64::from(age_years(self.facts.birth, on).unwrap_or(0)) >= self.bound(from_age)
    }

    fn raise(
        &mut self,
        flag: &RedFlag,
        key: impl ToString,
        on: NaiveDate,
        reason: Reason,
        size: Option<f64>,
    ) {
        self.out.push(Derived {
            flag: flag.id.clone(),
            key: key.to_string(),
            on,
            reason,
            size,
        });
    }

    fn on_day(&mut self, flag: &RedFlag, rule: String, key: impl ToString, on: NaiveDate) {
        let reason = Reason::new(&rule).with("day", self.facts.day_of(on));
        self.raise(flag, key, on, reason, None);
    }

    /// Findings of the affected side, oldest first.
    fn findings(&self) -> impl Iterator<Item = &'a TestFinding> + use<'a> {
        let facts = self.facts;
        let all = facts.findings.iter();
        all.filter(move |f| f.side == facts.story.side)
    }

    fn newest_lag(&self, from_deg: f64) -> Option<(&'a TestFinding, f64)> {
        let known = self.ctx.known;
        let lags = self.findings().filter_map(|f| match f.answer {
            TestAnswer::Number { value } if value >= from_deg => Some((f, value)),
            _ => None,
        });
        lags.filter(|(f, _)| known.is_lag_test(&f.test)).last()
    }

    /// Each active measurement beside the passive one that was known when it was taken: of the same day, else the last before.
    fn pairs(&self, active: &[String], passive: &str) -> Vec<Pair<'a>> {
        let facts = self.facts;
        let of_side = || {
            let all = facts.measurements.iter();
            all.filter(|m| m.side == facts.story.side)
        };
        of_side()
            .filter(|m| active.contains(&m.quantity))
            .filter_map(|active| {
                let mut known_then =
                    of_side().filter(|p| p.quantity == passive && p.on <= active.on);
                let passive = known_then.next_back()?;
                Some(Pair { active, passive })
            })
            .collect()
    }

    fn short(&mut self, flag: &RedFlag, pair: &Pair) {
        let reason = Reason::new(&flag.rule())
            .with("active", pair.active.value)
            .with("passive", pair.passive.value)
            .with("gap", pair.gap());
        self.raise(
            flag,
            pair.active.id,
            pair.active.on,
            reason,
            Some(pair.gap()),
        );
    }

    fn stuck(&mut self, flag: &RedFlag, quantity: &str, at_most: &str) {
        let facts = self.facts;
        let health = &facts.story.health;
        let fits = self.ctx.known.health.iter();
        let fits = fits
            .filter(|h| h.locked_arm)
            .any(|h| health.contains(&h.id));
        if facts.operated() || !(fits || facts.story.start == Start::Injury) {
            return;
        }
        for measurement in facts.operated_measurements(quantity) {
            if measurement.value <= self.bound(at_most) {
                let reason = Reason::new(&flag.rule())
                    .with("quantity", quantity)
                    .with("value", measurement.value);
                self.raise(flag, measurement.id, measurement.on, reason, None);
            }
        }
    }

    fn called(&mut self, flag: &RedFlag, quantities: &[String], calls: &[RaisingCall]) {
        let (ctx, facts) = (self.ctx, self.facts);
        let was_answered = |flag: &String| {
            let mut answers = facts.flag_answers.iter();
            answers.any(|a| &a.flag == flag && a.answer == Answer::Yes)
        };
        for quantity in quantities {
            let mut before: Option<&Measurement> = None;
            for measurement in facts.operated_measurements(quantity) {
                let spoken = calls_of(ctx, facts, measurement, before);
                let said = calls
                    .iter()
                    .filter(|c| c.answered.as_ref().is_none_or(was_answered))
                    .find_map(|c| spoken.iter().find(|r| r.rule == c.call));
                if let Some(reason) = said {
                    self.raise(flag, measurement.id, measurement.on, reason.clone(), None);
                }
                before = Some(measurement);
            }
        }
    }

    fn together(&mut self, flag: &RedFlag, groups: &[Vec<String>]) {
        let facts = self.facts;
        let raised = |group: &Vec<String>| {
            let answered = facts.flag_answers.iter().rev();
            let answered = answered
                .filter(|a| a.answer == Answer::Yes)
                .find(|a| group.contains(&a.flag))
                .map(|a| (a.id.to_string(), a.on));
            answered.or_else(|| {
                let mut derived = self.out.iter().rev();
                derived
                    .find(|d| group.contains(&d.flag))
                    .map(|d| (d.key.clone(), d.on))
            })
        };
        let Some(parts) = groups.iter().map(raised).collect::<Option<Vec<_>>>() else {
            return;
        };
        let (Some(first), Some(last)) = (parts.first(), parts.iter().map(|p| p.1).max()) else {
            return;
        };
        let reason = Reason::new(&flag.rule()).with("day", facts.day_of(first.1));
        let keys: Vec<&str> = parts.iter().map(|p| p.0.as_str()).collect();
        self.raise(flag, keys.join("+"), last, reason, None);
    }

    fn watches(&mut self, flag: &RedFlag) {
        let facts = self.facts;
        for watch in watch_views(self.ctx, facts) {
            if !watch.speaks || watch.act != WatchAct::Stop {
                continue;
            }
            let day = watch.since_day.unwrap_or(facts.day());
            let on = facts.story.day0 + chrono::Days::new(day.max(0) as u64);
            let rests = watch
                .rests_on
                .map_or_else(|| day.to_string(), |id| id.to_string());
            let key = format!("{}:{rests}", watch.watch);
            self.raise(flag, key, on, watch.reason(&flag.rule()), None);
        }
    }
}

/// What a person shows beside what the arm is lifted to.
struct Pair<'a> {
    active: &'a Measurement,
    passive: &'a Measurement,
}

impl Pair<'_> {
    /// How much the active range falls short, in degrees.
    fn gap(&self) -> f64 {
        self.passive.value - self.active.value
    }
}
