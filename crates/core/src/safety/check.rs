//! May this exercise be done on this day? Every rule that speaks is named.

use super::allowances::check_allowances;
use super::dose::outside_range;
use super::path::{adapted_ceiling, check_path, cut_path};
use super::positions::{forbidden, forbids};
use super::verdict::{Finding, Status, Verdict};
use crate::calendar::{EpisodeDay, WEEK};
use crate::context::CheckContext;
use crate::knowledge::{Dose, Exercise, Group, HealingClock, Helper, Knowledge, Level, Purpose};
use crate::reason::Reason;
use crate::rules::Lock;

/// The share of an arm's weight that a way of helping asks of the other arm; none where it asks nothing.
///
/// Source: our choice (thresholds `helper-share-…`).
fn helper_share(known: &Knowledge, helper: Helper) -> Option<f64> {
    let row = match helper {
        Helper::Pulley => "helper-share-pulley",
        Helper::Stick => "helper-share-stick",
        Helper::OtherHand => "helper-share-hand",
        _ => return None,
    };
    Some(known.threshold(row))
}

/// Whether an exercise gains range in a measured direction: it follows the ceiling of that movement, active or passive, or its
/// ladder answers that need.
fn gains_in(known: &Knowledge, exercise: &Exercise, quantity: &str) -> bool {
    let partner = known.quantity(quantity).and_then(|q| q.partner.as_deref());
    let same = |id: &str| id == quantity || Some(id) == partner;
    let follows = |e: &Exercise| e.adapts.as_ref().is_some_and(|a| same(&a.quantity));
    // What regains range on a ladder that follows this movement gains there too.
    let regains = exercise.purpose == Purpose::Move
        && known
            .exercises
            .values()
            .any(|e| e.ladder == exercise.ladder && follows(e));
    let answers = |need: &crate::knowledge::NeedRow| {
        same(&need.id) && need.ladders.contains(&exercise.ladder)
    };
    follows(exercise) || regains || known.needs.iter().any(answers)
}

/// Checks one exercise with one dose on one day.
pub fn check_exercise(
    ctx: &CheckContext,
    exercise: &Exercise,
    dose: &Dose,
    day: EpisodeDay,
) -> Verdict {
    let mut findings = Vec::new();
    let mut say = |status: Status, overridable: bool, reason: Reason| {
        findings.push(Finding {
            status,
            reason: reason.with("exercise", exercise.id.as_str()),
            overridable,
            day,
        });
    };
    use Status::{Blocked, Caution};

    for flag in ctx.open_flags {
        say(
            Blocked,
            false,
            Reason::new("flag-open").with("flag", flag.as_str()),
        );
    }
    for quantity in ctx.breaches {
        if gains_in(ctx.known, exercise, quantity) {
            let reason = Reason::new("breach-open").with("quantity", quantity.as_str());
            say(Blocked, false, reason);
        }
    }
    if ctx.flags_not_asked > 0 {
        say(
            Blocked,
            false,
            Reason::new("flags-not-asked").with("count", ctx.flags_not_asked as f64),
        );
    }
    let moves = exercise.demand.iter().any(|d| {
        matches!(
            d.group,
            Group::Cuff | Group::Subscapularis | Group::Deltoid | Group::PecLat
        )
    });
    if moves && !ctx.cleared {
        say(Blocked, false, Reason::new("no-clearance"));
    }
    if let Some(bad) = dose.fault(ctx.known) {
        let reason = Reason::new("dose-impossible")
            .with("field", bad.field)
            .with("min", bad.min)
            .with("max", bad.max);
        say(Blocked, false, reason.with("given", bad.given));
    }
    match ctx.rules.opening_phase(&exercise.id) {
        None => say(
            Blocked,
            false,
            Reason::new("not-in-pathway").with("pathway", ctx.rules.id.as_str()),
        ),
        Some(phase) if ctx.rules.clock != HealingClock::None && day < phase.earliest_day => {
            let reason = Reason::new("phase-too-early").with("phase", phase.id.as_str());
            say(
                Blocked,
                false,
                reason
                    .with("week", phase.earliest_day / WEEK)
                    .with("opens_day", phase.earliest_day),
            );
        }
        Some(phase) if phase.number > ctx.phase && !ctx.planning => {
            say(
                Blocked,
                false,
                Reason::new("phase-not-reached").with("phase", phase.id.as_str()),
            );
        }
        Some(phase) if phase.number > ctx.phase => {
            say(
                Status::Allowed,
                true,
                Reason::new("waits-for-gate").with("phase", phase.id.as_str()),
            );
        }
        Some(_) => {}
    }
    for gate in &exercise.gates {
        let about = |rule: &str| Reason::new(rule).with("gate_class", gate.as_str());
        match ctx.rules.class(gate) {
            None => say(
                Blocked,
                false,
                about("class-unknown").with("pathway", ctx.rules.id.as_str()),
            ),
            Some(class) => {
                let whose = |reason: Reason| reason.with("whose", class.whose.as_str());
                if class.lock == Lock::Never {
                    say(Blocked, false, whose(about("class-never")));
                } else if day < class.opens_day && ctx.rules.clock == HealingClock::None {
                    say(Blocked, false, about("class-waits-for-phase"));
                } else if day < class.opens_day {
                    let reason = about("gate-week").with("week", class.opens_day / WEEK);
                    say(Blocked, false, reason.with("opens_day", class.opens_day));
                }
                if class.lock == Lock::Clinician {
                    say(Caution, true, whose(about("class-clinician")));
                }
            }
        }
    }
    if ctx.rules.clinician_opens(&exercise.id) {
        say(Caution, true, Reason::new("clinician-opens"));
    }
    if let Some(share) = helper_share(ctx.known, exercise.helper).filter(|_| ctx.helper_protected) {
        let arm = ctx.mass_kg.unwrap_or(0.0) * ctx.known.threshold("arm-share-of-body-pct") / 100.0;
        let reason = Reason::new("helper-arm-protected")
            .with("may_kg", 0.0)
            .with("asks_kg", (arm * share * 10.0).round() / 10.0);
        // While it heals itself nobody in the clinic can allow it.
        say(
            if ctx.helper_heals { Blocked } else { Caution },
            !ctx.helper_heals,
            reason,
        );
    }
    if let Some(school) = ctx.rules.style.leaves_out(exercise) {
        say(
            Caution,
            true,
            Reason::new("school-leaves-out").with("school", school),
        );
    }
    check_allowances(ctx, exercise, dose, day, &mut say);
    for tag in &exercise.tags {
        for rule in ctx
            .rules
            .forbidden
            .iter()
            .filter(|f| f.tags.contains(tag) && forbids(ctx, f, day))
        {
            say(Blocked, false, forbidden(ctx, rule));
        }
    }
    let adapts_to = adapted_ceiling(ctx, exercise, day);
    match cut_path(ctx.known, exercise, adapts_to.as_ref().map(|c| c.ceiling)) {
        Err(left) => {
            if let (Some(adapts), Some(on)) = (&exercise.adapts, &adapts_to) {
                let reason =
                    Reason::new("no-room-below-ceiling").with("quantity", adapts.quantity.as_str());
                say(
                    Blocked,
                    false,
                    reason
                        .with("ceiling", left)
                        .with("needs", adapts.least_deg)
                        .with("whose", on.reason.rule.as_str()),
                );
            }
        }
        Ok(cut) => check_path(ctx, exercise, cut.as_deref(), day, &mut say),
    }
    for missing in exercise.kit.iter().filter(|item| !ctx.kit.contains(item)) {
        say(
            Caution,
            true,
            Reason::new("kit-missing").with("kit", missing.as_str()),
        );
    }
    if let Some(health) = ctx.keeps_from(exercise.attitude) {
        say(
            Caution,
            true,
            Reason::new("attitude-cannot").with("health", health),
        );
    }
    if let Some(health) = ctx
        .quick_caution
        .filter(|_| exercise.hardest() >= Level::Ballistic)
    {
        say(
            Caution,
            true,
            Reason::new("quick-with-health").with("health", health),
        );
    }
    let rest = ctx.known.threshold("injection-rest-days") as EpisodeDay;
    if let Some(ends) = ctx.injected_day.map(|on| on + rest).filter(|ends| {
        exercise.hardest() >= Level::ResistedLight && (ends - rest..*ends).contains(&day)
    }) {
        say(
            Caution,
            true,
            Reason::new("after-injection")
                .with("day", ends)
                .with("days", rest),
        );
    }
    if let Some(finding) =
        super::dose::rest_findings(exercise, dose, day, ctx.rules.resisted_days_per_week)
    {
        say(finding.status, finding.overridable, finding.reason);
    }
    if let Some((field, low, high, above)) = outside_range(ctx.rules, exercise, dose) {
        // Less than the range is a clinician's choice; more than it nobody's.
        say(
            if above { Blocked } else { Caution },
            !above,
            Reason::new("dose-outside-range")
                .with("field", field)
                .with("min", low)
                .with("max", high),
        );
    }
    Verdict::of(findings)
}
