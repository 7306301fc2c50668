//! The ceiling and the floor of a movement on a day: the pathway's, replaced by the surgeon's.

use super::ceiling::Ceiling;
use super::types::Rules;
use crate::calendar::{EpisodeDay, episode_day};
use crate::facts::SurgeonLimit;
use crate::knowledge::Knowledge;
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// A ceiling with the rule it comes from.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CeilingToday {
    /// How far.
    pub ceiling: Ceiling,
    /// Whose rule.
    pub reason: Reason,
    /// True for a coming day on which a dated surgeon's limit will have ended but is not yet confirmed as ended.
    pub provisional: bool,
    /// True when a dated limit's end has come and waits for confirmation.
    pub awaits_confirmation: bool,
    /// The surgeon's limit it rests on.
    #[serde(default)]
    pub limit: Option<uuid::Uuid>,
}

/// Whether a limit holds on a day at all: from its own date on, until the day on which its end was confirmed.
fn in_force(rules: &Rules, limit: &SurgeonLimit, day: EpisodeDay) -> bool {
    let past_end = limit.until_day.is_some_and(|until| day >= until);
    let Some(day0) = rules.day0 else {
        return !(limit.ended_on.is_some() && past_end);
    };
    let begun = limit
        .starts_on()
        .is_none_or(|on| episode_day(day0, on) <= day);
    let ended = limit
        .ended_on
        .is_some_and(|on| day >= episode_day(day0, on));
    begun && !(ended && (past_end || limit.until_day.is_none()))
}

/// The ceiling of `quantity` on `day`, seen from `today`.
///
/// ```
/// use ritorno_core::facts::SurgeonLimit;
/// use ritorno_core::rules::{Ceiling, Choices, Rules, ceiling_on};
///
/// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
/// let pathway = &known.pathways["cuff-repair-small-medium"];
/// let rules = Rules::new(&known, pathway, &Choices::default());
/// let on = |limits: &[SurgeonLimit], day| ceiling_on(&rules, limits, "passive-elevation", day, 20).ceiling;
/// // A repaired cuff is not raised at all in the first days, and to 120 degrees in week 3.
/// assert_eq!(on(&[], 5), Ceiling::NoneAllowed);
/// assert_eq!(on(&[], 20), Ceiling::UpTo { value: 120.0 });
/// // The surgeon's tighter word wins at once, and holds until it is released.
/// let written = SurgeonLimit {
///     id: uuid::Uuid::nil(),
///     quantity: "passive-elevation".into(),
///     ceiling: 90.0,
///     floor: None,
///     from: None,
///     until_day: None,
///     ask_again_day: None,
///     release: None,
///     ended_on: None,
/// };
/// assert_eq!(on(&[written], 20), Ceiling::UpTo { value: 90.0 });
/// ```
///
/// The surgeon's written value replaces the pathway's: a tighter one at once, a looser one only as a
/// dated release. A limit whose end date has come goes on holding until its end is confirmed; for days
/// still to come the plan assumes that it will be, and says so (`provisional`).
/// Source: common practice, no published source.
pub fn ceiling_on(
    rules: &Rules,
    limits: &[SurgeonLimit],
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> CeilingToday {
    let base = rules.corridor(quantity).map_or(Ceiling::Free, |c| {
        c.ceilings.at(day).copied().unwrap_or(Ceiling::NoneAllowed)
    });
    let mut out = CeilingToday {
        ceiling: base,
        reason: Reason::new(match base {
            Ceiling::NoneAllowed => "ceiling-pathway-none",
            Ceiling::UpTo { .. } => "ceiling-pathway",
            Ceiling::Free => "ceiling-free",
        })
        .with("pathway", rules.id.as_str()),
        provisional: false,
        awaits_confirmation: false,
        limit: None,
    };
    for limit in limits.iter().filter(|l| l.quantity == quantity) {
        if !in_force(rules, limit, day) {
            continue;
        }
        let past_end = limit.until_day.is_some_and(|until| day >= until);
        let due = limit.until_day.is_some_and(|until| today >= until);
        if past_end && !due {
            out.provisional = true;
            continue;
        }
        let written = Ceiling::UpTo {
            value: limit.ceiling,
        };
        let next = if limit.release.is_some() {
            written
        } else {
            out.ceiling.tighter(written)
        };
        if next != out.ceiling || next == written {
            let mut reason = Reason::new(if limit.release.is_some() {
                "ceiling-release"
            } else {
                "ceiling-surgeon"
            });
            if let Some(until) = limit.until_day {
                reason = reason.with("until_day", until);
            }
            out.limit = Some(limit.id);
            out.reason = reason;
        }
        out.ceiling = next;
        out.awaits_confirmation |= past_end && due;
    }
    if let Some(value) = out.ceiling.value() {
        out.reason = out.reason.with("ceiling", value);
    }
    out.reason = out.reason.with("quantity", quantity);
    out
}

/// The first day from which a surgeon's release lifts a forbidden position, where one does on `day`.
///
/// Only a release that the ceiling rests on: a tighter limit written after it forbids again. The released ceiling goes on holding
/// the movement. Source: our choice, because a sheet that allows and forbids is no sheet.
pub fn released_from(
    known: &Knowledge,
    rules: &Rules,
    limits: &[SurgeonLimit],
    position: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> Option<EpisodeDay> {
    let row = known.positions.iter().find(|p| p.id == position)?;
    let reigning = row.released_by.iter().filter_map(|quantity| {
        let rests_on = ceiling_on(rules, limits, quantity, day, today).limit?;
        limits
            .iter()
            .find(|l| l.id == rests_on && l.release.is_some())
    });
    reigning
        .map(|l| match (l.starts_on(), rules.day0) {
            (Some(on), Some(day0)) => episode_day(day0, on),
            _ => day,
        })
        .min()
}

/// The floor of `quantity` on `day`: the smaller of the pathway's and the surgeon's, never above the ceiling.
///
/// Source: common practice, no published source (several conditions: the smallest floor counts).
pub fn floor_on(
    rules: &Rules,
    limits: &[SurgeonLimit],
    quantity: &str,
    day: EpisodeDay,
    today: EpisodeDay,
) -> Option<f64> {
    let base = rules
        .corridor(quantity)
        .and_then(|c| c.floors.at(day).copied());
    let written = limits
        .iter()
        .filter(|l| l.quantity == quantity && l.until_day.is_none_or(|until| day < until))
        .filter(|l| in_force(rules, l, day))
        .filter_map(|l| l.floor)
        .reduce(f64::min);
    let floor = match (base, written) {
        (Some(a), Some(b)) => Some(a.min(b)),
        (a, b) => a.or(b),
    }?;
    match ceiling_on(rules, limits, quantity, day, today).ceiling {
        Ceiling::NoneAllowed => None,
        Ceiling::UpTo { value } => Some(floor.min(value)),
        Ceiling::Free => Some(floor),
    }
}

/// One stretch of days with the same ceiling and floor.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Band {
    /// First day.
    pub from_day: EpisodeDay,
    /// The day after the last.
    pub to_day: EpisodeDay,
    /// How far.
    pub ceiling: Ceiling,
    /// Expected at least.
    pub floor: Option<f64>,
    /// Whether the surgeon's value holds here.
    pub surgeon: bool,
    /// Whether it depends on a limit's end being confirmed.
    pub provisional: bool,
}

/// The bands of `quantity` over the whole pathway.
pub fn band_view(
    rules: &Rules,
    limits: &[SurgeonLimit],
    quantity: &str,
    today: EpisodeDay,
) -> Vec<Band> {
    let end = rules.end_day;
    let mut days: Vec<EpisodeDay> = vec![0, today.clamp(0, end)];
    if let Some(corridor) = rules.corridor(quantity) {
        days.extend(corridor.ceilings.steps.iter().map(|s| s.0));
        days.extend(corridor.floors.steps.iter().map(|s| s.0));
    }
    days.extend(limits.iter().filter_map(|l| l.until_day));
    if let Some(day0) = rules.day0 {
        let dates = limits.iter().filter(|l| l.quantity == quantity);
        days.extend(
            dates
                .flat_map(|l| [l.starts_on(), l.ended_on])
                .flatten()
                .map(|on| episode_day(day0, on)),
        );
    }
    days.retain(|day| (0..end).contains(day));
    days.sort_unstable();
    days.dedup();
    let mut bands: Vec<Band> = Vec::new();
    for (i, day) in days.iter().enumerate() {
        let to_day = days.get(i + 1).copied().unwrap_or(end);
        let on = ceiling_on(rules, limits, quantity, *day, today);
        let band = Band {
            from_day: *day,
            to_day,
            ceiling: on.ceiling,
            floor: floor_on(rules, limits, quantity, *day, today),
            surgeon: matches!(
                on.reason.rule.as_str(),
                "ceiling-surgeon" | "ceiling-release"
            ),
            provisional: on.provisional,
        };
        match bands.last_mut() {
            Some(last)
                if last.ceiling == band.ceiling
                    && last.floor == band.floor
                    && last.surgeon == band.surgeon
                    && last.provisional == band.provisional =>
            {
                last.to_day = to_day;
            }
            _ => bands.push(band),
        }
    }
    bands
}
