//! Red flags: from answers, from findings, and from notes that contradict a "no".
//!
//! *Not asked* is not *no*. A raised flag pauses the program and blocks building until a clinician has
//! recorded what was done.

use crate::episode::{Answer, Facts, LogFact, SlipHow, Start, TestAnswer};
use crate::knowledge::{Found, RedFlag, Tier, WatchAct};
use crate::program::CheckContext;
use crate::ranges::calls;
use crate::reason::Reason;
use crate::watching::watch_views;
use serde::{Deserialize, Serialize};

/// Where a flag stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FlagState {
    /// Nobody has asked.
    NotAsked,
    /// Answered no.
    No,
    /// Answered no, but a note says otherwise.
    Queried,
    /// Raised, nothing closed yet.
    Raised,
    /// Raised, and the matter has been closed since.
    Closed,
}

/// One flag as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FlagView {
    /// Flag id.
    pub flag: String,
    /// How fast.
    pub tier: Tier,
    /// Whether it is a question (or derived from findings).
    pub asked: bool,
    /// Where it stands.
    pub state: FlagState,
    /// Why, where it was not simply answered.
    pub reason: Option<Reason>,
    /// The last action recorded.
    pub last_action: Option<crate::episode::FlagAction>,
}

impl FlagView {
    /// Whether it holds the program.
    pub fn open(&self) -> bool {
        matches!(self.state, FlagState::Raised | FlagState::Queried)
    }
}

/// Every flag: all questions, and the derived ones that have been raised.
///
/// `ctx` is used for the findings only; its own list of open flags is not read.
pub fn flag_views(ctx: &CheckContext, facts: &Facts) -> Vec<FlagView> {
    let derived = derived_flags(ctx, facts);
    ctx.known
        .red_flags
        .iter()
        .filter(|flag| flag.pathways.is_empty() || flag.pathways.contains(&ctx.rules.column))
        .filter_map(|flag| {
            let (raised_on, state, reason) = if flag.asked {
                answered(flag, facts)
            } else {
                let (_, reason, on) = derived.iter().find(|(id, _, _)| *id == flag.id)?;
                (Some(*on), FlagState::Raised, Some(reason.clone()))
            };
            let last_action = facts
                .flag_actions
                .iter()
                .rev()
                .find(|a| a.flag == flag.id)
                .cloned();
            let closed = match (&last_action, raised_on) {
                (Some(action), Some(on)) => action.closed && action.on >= on,
                _ => false,
            };
            let state = if closed && matches!(state, FlagState::Raised | FlagState::Queried) {
                FlagState::Closed
            } else {
                state
            };
            Some(FlagView {
                flag: flag.id.clone(),
                tier: flag.tier,
                asked: flag.asked,
                state,
                reason,
                last_action,
            })
        })
        .collect()
}

fn answered(
    flag: &RedFlag,
    facts: &Facts,
) -> (Option<chrono::NaiveDate>, FlagState, Option<Reason>) {
    let Some(latest) = facts.flag_answers.iter().rev().find(|a| a.flag == flag.id) else {
        return (None, FlagState::NotAsked, None);
    };
    match latest.answer {
        Answer::Yes => (Some(latest.on), FlagState::Raised, None),
        Answer::No if latest.confirmed => (None, FlagState::No, None),
        Answer::No => match contradiction(flag, &facts.story.note)
            .or_else(|| contradiction(flag, &facts.story.mechanism))
        {
            Some(word) => {
                let reason = Reason::new("note-contradicts-no")
                    .with("flag", flag.id.as_str())
                    .with("word", word);
                (Some(latest.on), FlagState::Queried, Some(reason))
            }
            None => (None, FlagState::No, None),
        },
    }
}

/// The first word of a note that contradicts a "no", on word boundaries, whatever its case.
pub fn contradiction<'a>(flag: &'a RedFlag, note: &str) -> Option<&'a str> {
    let plain: String = note
        .to_lowercase()
        .chars()
        .map(|c| if c.is_alphanumeric() { c } else { ' ' })
        .collect();
    let padded = format!(
        " {} ",
        plain.split_whitespace().collect::<Vec<_>>().join(" ")
    );
    flag.note_words
        .iter()
        .map(String::as_str)
        .find(|word| padded.contains(&format!(" {} ", word.to_lowercase())))
}

/// Flags that the findings raise, with the date of the finding.
fn derived_flags(
    ctx: &CheckContext,
    facts: &Facts,
) -> Vec<(&'static str, Reason, chrono::NaiveDate)> {
    let mut out = Vec::new();
    let newest = |quantity: &str| facts.operated_measurements(quantity).next_back().cloned();
    let day = facts.day();
    let age = crate::calendar::age_years(facts.birth, facts.today).unwrap_or(0);
    let active = newest("active-elevation-upright").or_else(|| newest("active-elevation-lying"));
    if let (Some(active), Some(passive)) = (active, newest("passive-elevation")) {
        let gap = passive.value - active.value;
        let reason = |rule: &str| {
            Reason::new(rule)
                .with("active", active.value)
                .with("passive", passive.value)
                .with("gap", gap)
        };
        if f64::from(day) >= ctx.known.threshold("active-passive-gap-week") * 7.0
            && gap > ctx.known.threshold("active-passive-gap-deg")
        {
            out.push((
                "active-passive-gap",
                reason("flag-active-passive-gap"),
                active.on,
            ));
        }
        // Active elevation lost with passive kept, at 40 or older; the lag sign completes it once lag signs are examined.
        let before = facts.operated_measurements(&active.quantity).rev().nth(1);
        let lost = before.is_some_and(|b| {
            b.value - active.value >= 2.0 * ctx.known.threshold("elevation-loss-deg")
        });
        if age >= 40
            && lost
            && passive.value >= active.value + ctx.known.threshold("active-passive-gap-deg")
        {
            out.push(("active-loss", reason("flag-active-loss"), active.on));
        }
    }
    // A slip told as worse than any before: the joint stays out, or the hand is numb.
    let grave = |e: &&crate::episode::LogEntry| {
        matches!(
            e.fact,
            LogFact::SlipWorse {
                how: SlipHow::StaysOut | SlipHow::Numb
            }
        )
    };
    if let Some(slip) = facts.log.iter().rev().find(grave) {
        out.push((
            "slip-grave",
            Reason::new("flag-slip-grave").with("day", facts.day_of(slip.on)),
            slip.on,
        ));
    }
    // What the pathway calls a stop pauses everything, like any other flag.
    // The newest counts: one that was closed must not hide another that came after it.
    let stops = watch_views(ctx, facts)
        .into_iter()
        .filter(|w| w.speaks && w.act == WatchAct::Stop);
    if let Some(watch) = stops.max_by_key(|w| w.since_day) {
        let on = facts.story.day0 + chrono::Days::new(watch.since_day.unwrap_or(day).max(0) as u64);
        out.push(("pathway-stop", watch.reason("flag-pathway-stop"), on));
    }
    out.extend(from_examination(ctx, facts, age, &newest));
    let weakness = facts
        .flag_answers
        .iter()
        .rev()
        .find(|a| a.flag == "new-weakness")
        .filter(|a| a.answer == Answer::Yes);
    for quantity in ["passive-elevation", "passive-er-side", "passive-er-90"] {
        let spoken = calls(ctx, facts, quantity);
        let Some(last) = newest(quantity) else {
            continue;
        };
        let has = |rule: &str| spoken.iter().find(|r| r.rule == rule).cloned();
        if let Some(reason) = has("sudden-er-gain")
            .or_else(|| has("measurement-over-ceiling").filter(|_| weakness.is_some()))
        {
            out.push(("over-ceiling-sudden", reason, last.on));
        }
        if let Some(reason) = has("range-lost").filter(|_| weakness.is_some()) {
            out.push(("fall-back-range", reason, last.on));
        }
    }
    out
}

/// Flags that the examination of a shoulder that was not operated on raises. After an operation the surgeon's rules above speak.
///
/// Source: consensus triggers (reference `red-flag-consensus`), from memory; bounds in `thresholds.toml`.
fn from_examination(
    ctx: &CheckContext,
    facts: &Facts,
    age: u32,
    newest: &impl Fn(&str) -> Option<crate::episode::Measurement>,
) -> Vec<(&'static str, Reason, chrono::NaiveDate)> {
    let mut out = Vec::new();
    let bound = |id: &str| ctx.known.threshold(id);
    let injury = facts.story.start == Start::Injury;
    let finding = |test: &str| {
        facts
            .findings
            .iter()
            .rev()
            .find(|f| f.test == test && f.side == facts.story.side)
    };
    let says = |test: &str, word: Found| {
        finding(test).filter(|f| f.answer == TestAnswer::Word { found: word })
    };
    if let Some(numb) = says("axillary-sensation", Found::Yes) {
        out.push((
            "nerve-finding",
            Reason::new("flag-nerve-finding").with("day", facts.day_of(numb.on)),
            numb.on,
        ));
    }
    if facts.operated() {
        return out;
    }
    if let Some(turned) =
        newest("passive-er-side").filter(|r| injury && r.value <= bound("locked-rotation-deg"))
    {
        let reason = Reason::new("flag-locked-rotation")
            .with("quantity", "passive-er-side")
            .with("value", turned.value);
        out.push(("locked-rotation", reason, turned.on));
    }
    if let Some(feared) = says("bony-apprehension", Found::Apprehension) {
        out.push((
            "bone-loss",
            Reason::new("flag-bone-loss").with("day", facts.day_of(feared.on)),
            feared.on,
        ));
    }
    let active = newest("active-elevation-upright").or_else(|| newest("active-elevation-lying"));
    if let (Some(active), Some(passive), Some((test, degrees))) = (
        active,
        newest("passive-elevation"),
        facts.lag(bound("lag-positive-deg")),
    ) && f64::from(age) >= bound("acute-tear-age-years")
        && active.value < bound("acute-tear-active-deg")
        && passive.value - active.value >= bound("acute-tear-gap-deg")
    {
        let reason = Reason::new("flag-acute-tear")
            .with("quantity", "passive-elevation")
            .with("active", active.value)
            .with("passive", passive.value);
        out.push((
            "acute-tear",
            reason.with("test", test).with("degrees", degrees),
            active.on,
        ));
    }
    out
}
