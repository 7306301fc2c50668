//! Flags that findings, measurements and the log raise. Each keeps its cause: newer and better news never takes it away.

use crate::calendar::age_years;
use crate::context::CheckContext;
use crate::facts::{
    Answer, Facts, LAG_TESTS, LogFact, Measurement, SlipHow, Start, TestAnswer, TestFinding,
};
use crate::knowledge::{Found, WatchAct};
use crate::progress::watch_views;
use crate::ranges::calls_of;
use crate::reason::Reason;
use chrono::NaiveDate;

/// A flag that something on record raises.
#[derive(Debug, Clone, PartialEq)]
pub struct Derived {
    /// Flag id.
    pub flag: &'static str,
    /// What a step names: ids of the records it rests on.
    pub key: String,
    /// The day of the newest of them.
    pub on: NaiveDate,
    /// What the rule says.
    pub reason: Reason,
    /// How great the loss is, where that can be told, so that a known one may stand.
    pub size: Option<f64>,
}

impl Derived {
    fn new(flag: &'static str, key: impl ToString, on: NaiveDate, reason: Reason) -> Self {
        let key = key.to_string();
        Derived {
            flag,
            key,
            on,
            reason,
            size: None,
        }
    }

    fn sized(self, size: f64) -> Self {
        Derived {
            size: Some(size),
            ..self
        }
    }
}

/// Everything on record that raises a flag by itself.
pub(crate) fn derived_flags(ctx: &CheckContext, facts: &Facts) -> Vec<Derived> {
    let mut out = Vec::new();
    elevation(ctx, facts, &mut out);
    slips(ctx, facts, &mut out);
    for watch in watch_views(ctx, facts) {
        if watch.speaks && watch.act == WatchAct::Stop {
            let day = watch.since_day.unwrap_or(facts.day());
            let on = facts.story.day0 + chrono::Days::new(day.max(0) as u64);
            let rests = watch
                .rests_on
                .map_or_else(|| day.to_string(), |id| id.to_string());
            let key = format!("{}:{rests}", watch.watch);
            out.push(Derived::new(
                "pathway-stop",
                key,
                on,
                watch.reason("flag-pathway-stop"),
            ));
        }
    }
    from_examination(ctx, facts, &mut out);
    changes(ctx, facts, &mut out);
    fit_and_locked(facts, &mut out);
    out
}

/// Each active elevation beside the passive one that was known when it was taken.
fn pairs<'a>(facts: &'a Facts, active: &'a [&str]) -> Vec<(&'a Measurement, &'a Measurement)> {
    let side = facts.story.side;
    let of_side = || facts.measurements.iter().filter(|m| m.side == side);
    of_side()
        .filter(|m| active.contains(&m.quantity.as_str()))
        .filter_map(|m| {
            // Of the same day, else the last before.
            of_side()
                .rfind(|p| p.quantity == "passive-elevation" && p.on <= m.on)
                .map(|p| (m, p))
        })
        .collect()
}

const ACTIVE_ELEVATION: [&str; 2] = ["active-elevation-upright", "active-elevation-lying"];

fn elevation(ctx: &CheckContext, facts: &Facts, out: &mut Vec<Derived>) {
    let bound = |id: &str| ctx.known.threshold(id);
    for (active, passive) in pairs(facts, &ACTIVE_ELEVATION) {
        let gap = passive.value - active.value;
        let day = facts.day_of(active.on);
        let reason = |rule: &str| {
            Reason::new(rule)
                .with("active", active.value)
                .with("passive", passive.value)
                .with("gap", gap)
        };
        if f64::from(day) >= bound("active-passive-gap-week") * 7.0
            && gap > bound("active-passive-gap-deg")
        {
            out.push(
                Derived::new(
                    "active-passive-gap",
                    active.id,
                    active.on,
                    reason("flag-active-passive-gap"),
                )
                .sized(gap),
            );
        }
        // Active elevation lost with passive kept; the lag sign completes it once lag signs are examined.
        let before = facts
            .operated_measurements(&active.quantity)
            .take_while(|m| m.id != active.id)
            .last();
        let lost =
            before.is_some_and(|b| b.value - active.value >= 2.0 * bound("elevation-loss-deg"));
        let age = age_years(facts.birth, active.on).unwrap_or(0);
        if f64::from(age) >= bound("acute-tear-age-years")
            && lost
            && gap >= bound("active-passive-gap-deg")
        {
            out.push(
                Derived::new(
                    "active-loss",
                    active.id,
                    active.on,
                    reason("flag-active-loss"),
                )
                .sized(gap),
            );
        }
    }
}

/// A slip told as worse than any before: the joint stays out, or the hand is numb.
fn slips(ctx: &CheckContext, facts: &Facts, out: &mut Vec<Derived>) {
    for entry in ctx.log.slips(facts) {
        let flag = match entry.fact {
            LogFact::SlipWorse {
                how: SlipHow::StaysOut,
            } => "slip-stays-out",
            LogFact::SlipWorse { how: SlipHow::Numb } => "slip-grave",
            _ => continue,
        };
        let reason = Reason::new("flag-slip-grave").with("day", facts.day_of(entry.on));
        out.push(Derived::new(flag, entry.id, entry.on, reason));
    }
}

/// Flags that the examination of a shoulder that was not operated on raises. After an operation the surgeon's rules speak.
///
/// Source: consensus triggers (reference `red-flag-consensus`), from memory; bounds in `thresholds.toml`.
fn from_examination(ctx: &CheckContext, facts: &Facts, out: &mut Vec<Derived>) {
    let bound = |id: &str| ctx.known.threshold(id);
    let own = || facts.findings.iter().filter(|f| f.side == facts.story.side);
    let says = |test: &'static str, word: Found| {
        own().filter(move |f| f.test == test && f.answer == TestAnswer::Word { found: word })
    };
    let dated = |rule: &str, f: &TestFinding| Reason::new(rule).with("day", facts.day_of(f.on));
    for numb in says("axillary-sensation", Found::Yes) {
        let reason = dated("flag-nerve-finding", numb);
        out.push(Derived::new("nerve-finding", numb.id, numb.on, reason));
    }
    if facts.operated() {
        return;
    }
    let fits =
        (ctx.known.health.iter()).any(|h| h.locked_arm && facts.story.health.contains(&h.id));
    let injury = facts.story.start == Start::Injury || fits;
    for turned in facts
        .operated_measurements("passive-er-side")
        .filter(|r| injury && r.value <= bound("locked-rotation-deg"))
    {
        let reason = Reason::new("flag-locked-rotation")
            .with("quantity", "passive-er-side")
            .with("value", turned.value);
        out.push(Derived::new(
            "locked-rotation",
            turned.id,
            turned.on,
            reason,
        ));
    }
    for feared in says("bony-apprehension", Found::Apprehension) {
        let reason = dated("flag-bone-loss", feared);
        out.push(Derived::new("bone-loss", feared.id, feared.on, reason));
    }
    // A lag that was seen beside an arm that does not go up: whichever came last completes it.
    let lags = own().filter_map(|f| match f.answer {
        TestAnswer::Number { value }
            if LAG_TESTS.contains(&f.test.as_str()) && value >= bound("lag-positive-deg") =>
        {
            Some((f, value))
        }
        _ => None,
    });
    let lags: Vec<_> = lags.collect();
    for (active, passive) in pairs(facts, &ACTIVE_ELEVATION) {
        let age = age_years(facts.birth, active.on).unwrap_or(0);
        let weak = active.value < bound("acute-tear-active-deg")
            && passive.value - active.value >= bound("acute-tear-gap-deg");
        if !weak || f64::from(age) < bound("acute-tear-age-years") {
            continue;
        }
        if let Some((lag, degrees)) = lags.last() {
            let reason = Reason::new("flag-acute-tear")
                .with("quantity", "passive-elevation")
                .with("active", active.value)
                .with("passive", passive.value)
                .with("test", lag.test.as_str())
                .with("degrees", *degrees);
            let key = format!("{}+{}", active.id, lag.id);
            out.push(
                Derived::new("acute-tear", key, active.on.max(lag.on), reason).sized(*degrees),
            );
        }
    }
}

/// A sudden gain above the ceiling, and ground lost together with new weakness.
fn changes(ctx: &CheckContext, facts: &Facts, out: &mut Vec<Derived>) {
    let weak = facts
        .flag_answers
        .iter()
        .any(|a| a.flag == "new-weakness" && a.answer == Answer::Yes);
    for quantity in ["passive-elevation", "passive-er-side", "passive-er-90"] {
        let mut before: Option<&Measurement> = None;
        for measurement in facts.operated_measurements(quantity) {
            let spoken = calls_of(ctx, facts, measurement, before);
            let has = |rule: &str| spoken.iter().find(|r| r.rule == rule).cloned();
            let mut raise = |flag: &'static str, reason: Reason| {
                out.push(Derived::new(flag, measurement.id, measurement.on, reason));
            };
            if let Some(reason) =
                has("sudden-er-gain").or_else(|| has("measurement-over-ceiling").filter(|_| weak))
            {
                raise("over-ceiling-sudden", reason);
            }
            if let Some(reason) = has("range-lost").filter(|_| weak) {
                raise("fall-back-range", reason);
            }
            before = Some(measurement);
        }
    }
}

/// A recent fit with an arm that is locked or turned in: a dislocation to the back until it is excluded.
fn fit_and_locked(facts: &Facts, out: &mut Vec<Derived>) {
    let yes = |flag: &str| {
        let mut answers = facts.flag_answers.iter().rev();
        answers
            .find(|a| a.flag == flag && a.answer == Answer::Yes)
            .map(|a| (a.id.to_string(), a.on))
    };
    let turned_in = out
        .iter()
        .rev()
        .find(|d| d.flag == "locked-rotation")
        .map(|d| (d.key.clone(), d.on));
    if let (Some((fit, fit_on)), Some((locked, locked_on))) =
        (yes("fit"), yes("locked-arm").or(turned_in))
    {
        let reason = Reason::new("flag-fit-locked").with("day", facts.day_of(fit_on));
        let key = format!("{fit}+{locked}");
        out.push(Derived::new(
            "fit-locked",
            key,
            fit_on.max(locked_on),
            reason,
        ));
    }
}
