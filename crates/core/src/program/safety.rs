//! May this exercise be done on this day? Every rule that speaks is named.

use super::ceiling::{Ceiling, CeilingToday, ceiling_on};
use super::dose::effort_most;
use super::rules::{Lock, Rules};
use crate::calendar::{EpisodeDay, WEEK};
use crate::episode::{Line, SurgeonLimit};
use crate::knowledge::{Dose, Exercise, Group, HealingClock, Helper, Knowledge, Level, Purpose};
use crate::mechanics::{ArmPose, Attitude, Path, PathPoint};
use crate::reason::{Reason, wire};
use serde::{Deserialize, Serialize};

/// What the check says.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Status {
    /// Nothing speaks against it.
    Allowed,
    /// May be done with a reason.
    Caution,
    /// May not be done.
    Blocked,
}

/// One rule that spoke.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Finding {
    /// How strongly.
    pub status: Status,
    /// The rule and its arguments.
    pub reason: Reason,
    /// Whether a clinician may go on with a reason. Ceilings, healing time, allowances, forbidden positions and open flags never.
    pub overridable: bool,
    /// The first day on which it speaks.
    pub day: EpisodeDay,
}

/// The answer for one exercise.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Verdict {
    /// The strongest of the findings.
    pub status: Status,
    /// Every rule that spoke.
    pub findings: Vec<Finding>,
}

impl Verdict {
    fn of(findings: Vec<Finding>) -> Self {
        let status = findings
            .iter()
            .map(|f| f.status)
            .max()
            .unwrap_or(Status::Allowed);
        Verdict { status, findings }
    }
}

/// What the check looks at besides the exercise.
#[derive(Debug, Clone, Copy)]
pub struct CheckContext<'a> {
    /// All knowledge.
    pub known: &'a Knowledge,
    /// The rules of this shoulder: its pathway with schools, modifiers and general health.
    pub rules: &'a Rules,
    /// The surgeon's limits.
    pub limits: &'a [SurgeonLimit],
    /// Open red flags, by id.
    pub open_flags: &'a [String],
    /// Measurements above their ceiling that nobody has dealt with, by quantity: nothing that gains there goes on.
    pub breaches: &'a [String],
    /// Flag questions that were never asked.
    pub flags_not_asked: usize,
    /// The surgeon's go-ahead is on record.
    pub cleared: bool,
    /// The phase reached today.
    pub phase: u32,
    /// Today's episode day.
    pub today: EpisodeDay,
    /// The other arm is itself protected, so it cannot simply carry this one.
    pub helper_protected: bool,
    /// The other arm heals from an operation itself: it carries nothing.
    pub helper_heals: bool,
    /// Body mass in kilograms, where it is known.
    pub mass_kg: Option<f64>,
    /// What is at hand.
    pub kit: &'a [String],
    /// The day of the newest steroid injection.
    pub injected_day: Option<EpisodeDay>,
    /// General health in which quick work needs a reason, by id.
    pub quick_caution: Option<&'a str>,
    /// True when a plan is judged: what waits for a gate is planned, and runs only once the gate is passed.
    pub planning: bool,
}

/// The arm at rest in a sling: never a movement, never a breach.
fn at_rest(pose: &ArmPose) -> bool {
    pose.elevation_deg <= 30.0
        && (-70.0..=1e-6).contains(&pose.twist_deg())
        && (0.0..=90.0).contains(&pose.plane_deg)
}

/// What a frame asks of each quantity: `(quantity, demand)`.
///
/// τ below 30° of elevation, ψ from 45° with the plane between −30° and 60°, and both in between;
/// other planes make no rotation demand. Source: our choice, because that is how clinics read rotation.
fn demands(pose: &ArmPose, active: Option<&'static str>) -> Vec<(&'static str, f64)> {
    let mut out = Vec::new();
    let e = pose.elevation_deg;
    if pose.plane_deg > -30.0 {
        out.push(("passive-elevation", e));
        if let Some(quantity) = active.filter(|_| e > 30.0) {
            out.push((quantity, e));
        }
    }
    if e < 45.0 {
        out.push(("passive-er-side", pose.twist_deg()));
        if e < 30.0 {
            out.push(("passive-ir-side", -pose.twist_deg()));
        }
    }
    if e >= 30.0 && (-30.0..=60.0).contains(&pose.plane_deg) {
        out.push(("passive-er-90", pose.clinic_deg()));
        if e >= 60.0 {
            out.push(("passive-ir-90", -pose.clinic_deg()));
        }
    }
    if (-30.0..=20.0).contains(&pose.plane_deg) {
        out.push(("passive-abduction", e));
    }
    if pose.plane_deg < -45.0 {
        out.push(("active-extension", e));
    }
    if e >= 45.0 && pose.plane_deg > 90.0 {
        out.push(("horizontal-adduction", pose.plane_deg));
    }
    out
}

fn active_quantity(exercise: &Exercise) -> Option<&'static str> {
    exercise.is_active().then_some(match exercise.attitude {
        Attitude::Supine | Attitude::SideLying | Attitude::Reclined | Attitude::Prone => {
            "active-elevation-lying"
        }
        _ => "active-elevation-upright",
    })
}

/// The path on a day, cut where the ceiling it follows is reached; `None` where nothing is cut off.
///
/// # Errors
/// The measurement that is left when the cut leaves less than the exercise needs.
fn cut_path(exercise: &Exercise, ceiling: Option<Ceiling>) -> Result<Option<Path>, f64> {
    let (Some(adapts), Some(ceiling)) = (&exercise.adapts, ceiling) else {
        return Ok(None);
    };
    let limit = match ceiling {
        Ceiling::Free => return Ok(None),
        Ceiling::NoneAllowed => return Err(0.0),
        Ceiling::UpTo { value } => value,
    };
    let measurement = |pose: &ArmPose| match adapts.quantity.as_str() {
        "passive-er-side" => pose.twist_deg(),
        "passive-er-90" => pose.clinic_deg(),
        _ => pose.elevation_deg,
    };
    let frames = exercise.frames();
    let Some(over) = frames
        .iter()
        .position(|frame| measurement(&frame.pose) > limit)
    else {
        return Ok(None);
    };
    let path = exercise.path();
    if limit < adapts.least_deg || over == 0 {
        return Err(limit);
    }
    // The last place on the way that keeps the limit: halving the step between the two frames, from the permitted side.
    let (mut cut, mut beyond) = (frames[over - 1].at, frames[over].at);
    for _ in 0..40 {
        let middle = (cut + beyond) / 2.0;
        if path
            .at(middle)
            .is_some_and(|pose| measurement(&pose) <= limit)
        {
            cut = middle
        } else {
            beyond = middle
        }
    }
    let legs = path.keys.len().saturating_sub(1).max(1) as f64;
    let mut keys: Vec<ArmPose> = path
        .keys
        .iter()
        .enumerate()
        .filter(|(i, _)| (*i as f64) / legs < cut)
        .map(|(_, k)| *k)
        .collect();
    keys.extend(path.at(cut));
    Ok(Some(Path { keys }))
}

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
    if let Some(school) = ctx.rules.style.leave_out.get(&exercise.ladder) {
        say(
            Caution,
            true,
            Reason::new("school-leaves-out").with("school", school.as_str()),
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
    match cut_path(exercise, adapts_to.as_ref().map(|c| c.ceiling)) {
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
        Ok(cut) => check_path(ctx, exercise, cut.as_ref(), day, &mut say),
    }
    for missing in exercise.kit.iter().filter(|item| !ctx.kit.contains(item)) {
        say(
            Caution,
            true,
            Reason::new("kit-missing").with("kit", missing.as_str()),
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
    if let Some(finding) = super::dose::rest_findings(exercise, dose, day) {
        say(finding.status, finding.overridable, finding.reason);
    }
    if let Some((field, low, high, above)) = outside_range(exercise, dose) {
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

/// The ceiling an exercise's path is cut at: raising is cut by the tightest ceiling of raising that applies.
fn adapted_ceiling(
    ctx: &CheckContext,
    exercise: &Exercise,
    day: EpisodeDay,
) -> Option<CeilingToday> {
    let adapts = exercise.adapts.as_ref()?;
    let on = |quantity: &str| ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
    let mut tightest = on(&adapts.quantity);
    if adapts.quantity.contains("elevation") {
        for quantity in ["passive-elevation"]
            .into_iter()
            .chain(active_quantity(exercise))
        {
            let other = on(quantity);
            if tightest.ceiling.tighter(other.ceiling) != tightest.ceiling {
                tightest = other;
            }
        }
    }
    Some(tightest)
}

/// Where an exercise ends on a day: the path, cut at the ceiling it follows. For the figure and the handout.
pub fn resolved_path(ctx: &CheckContext, exercise: &Exercise, day: EpisodeDay) -> Path {
    cut_path(
        exercise,
        adapted_ceiling(ctx, exercise, day).map(|c| c.ceiling),
    )
    .ok()
    .flatten()
    .unwrap_or_else(|| exercise.path())
}

/// Whether a position is forbidden on a day: until its own day, unless the surgeon has released the movement.
fn forbids(ctx: &CheckContext, rule: &super::rules::ForbiddenRule, day: EpisodeDay) -> bool {
    day < rule.until_day
        && super::ceiling::released_from(ctx.known, ctx.rules, ctx.limits, &rule.id, day, ctx.today)
            .is_none()
}

/// The reason a position is forbidden, with when that ends.
fn forbidden(ctx: &CheckContext, rule: &super::rules::ForbiddenRule) -> Reason {
    if ctx.rules.clock == HealingClock::None {
        return Reason::new("forbidden-position-phase").with("position", rule.id.as_str());
    }
    Reason::new("forbidden-position")
        .with("position", rule.id.as_str())
        .with("week", rule.until_day / WEEK)
}

fn check_allowances(
    ctx: &CheckContext,
    exercise: &Exercise,
    dose: &Dose,
    day: EpisodeDay,
    say: &mut impl FnMut(Status, bool, Reason),
) {
    let Some(allowance) = ctx.rules.allowance(day) else {
        say(Status::Blocked, false, Reason::new("no-allowance-yet"));
        return;
    };
    if let (Some(max), Some(effort)) = (effort_most(&allowance, exercise), dose.effort_pct)
        && effort > max
    {
        say(
            Status::Blocked,
            false,
            Reason::new("effort-above")
                .with("max", f64::from(max))
                .with("given", f64::from(effort)),
        );
    }
    for demand in &exercise.demand {
        if !allowance.permits(demand.group, demand.level) {
            let reason = Reason::new("allowance")
                .with("group", wire(demand.group))
                .with("level", wire(demand.level));
            say(
                Status::Blocked,
                false,
                reason.with("week", allowance.from_day / WEEK),
            );
        }
        let light = matches!(demand.level, Level::ResistedLight);
        let heavy = dose.load_kg.is_some_and(|kg| kg > 1.0)
            || dose.elastic_level.is_some_and(|level| level > 2);
        if light && heavy && !allowance.permits(demand.group, Level::Resisted) {
            say(
                Status::Blocked,
                false,
                Reason::new("load-above-light").with("group", wire(demand.group)),
            );
        }
        // A weight or an elastic turns lifting the arm into resisted work, whatever the exercise's row says.
        let loaded = dose.load_kg.is_some_and(|kg| kg > 0.0)
            || dose.elastic_level.is_some_and(|level| level > 0);
        let becomes = if heavy {
            Level::Resisted
        } else {
            Level::ResistedLight
        };
        let unloaded = matches!(
            demand.level,
            Level::Passive | Level::Assisted | Level::Active
        );
        if loaded && unloaded && !allowance.permits(demand.group, becomes) {
            say(
                Status::Blocked,
                false,
                Reason::new("load-not-permitted").with("group", wire(demand.group)),
            );
        }
    }
}

fn check_path(
    ctx: &CheckContext,
    exercise: &Exercise,
    cut: Option<&Path>,
    day: EpisodeDay,
    say: &mut impl FnMut(Status, bool, Reason),
) {
    for rule in ctx
        .rules
        .forbidden
        .iter()
        .filter(|f| forbids(ctx, f, day) && f.touches(exercise.frames()))
    {
        say(Status::Blocked, false, forbidden(ctx, rule));
    }
    let active = active_quantity(exercise);
    // What the cut is about is judged on the cut path, everything else on the whole one: so a tighter
    // ceiling can never hide a breach of another.
    let adapts = exercise.adapts.as_ref().map_or("", |a| a.quantity.as_str());
    let cut_by = |quantity: &str| {
        quantity == adapts || (quantity.contains("elevation") && adapts.contains("elevation"))
    };
    let whole = exercise.peaks(|frames| peaks(frames, active));
    let on_cut = cut.map(|path| peaks(&path.frames(), active));
    let on_cut = on_cut
        .as_deref()
        .unwrap_or(whole)
        .iter()
        .filter(|(q, _)| cut_by(q));
    let on_whole = whole.iter().filter(|(q, _)| !cut_by(q));
    for (quantity, peak) in on_cut.chain(on_whole).copied() {
        let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
        // Turning is judged against neutral where nothing is allowed; lifting against anything beyond rest.
        let breach = match on.ceiling {
            Ceiling::Free => false,
            Ceiling::UpTo { value } => peak > value + 1e-6,
            Ceiling::NoneAllowed => peak > rest_deg(quantity) + 1e-6,
        };
        if breach {
            let mut reason = Reason::new("path-over-ceiling")
                .with("quantity", quantity)
                .with("peak", peak.round());
            if let Some(value) = on.ceiling.value() {
                reason = reason.with("ceiling", value);
            }
            say(
                Status::Blocked,
                false,
                reason.with("whose", on.reason.rule.as_str()),
            );
        }
    }
}

/// What protection has against taking a position on a day: a test, or the supporting arm. Empty when nothing has.
///
/// The same rules as for exercises: forbidden positions, ceilings, contraction allowances.
pub fn bars_position(
    ctx: &CheckContext,
    path: &Path,
    demand: &[crate::knowledge::Demand],
    tags: &[String],
    day: EpisodeDay,
) -> Vec<Reason> {
    let mut out = Vec::new();
    let frames = path.frames();
    for rule in ctx.rules.forbidden.iter().filter(|f| forbids(ctx, f, day)) {
        if rule.touches(&frames) || tags.iter().any(|tag| rule.tags.contains(tag)) {
            out.push(forbidden(ctx, rule));
        }
    }
    let active = demand
        .iter()
        .any(|d| d.level >= Level::Active)
        .then_some("active-elevation-upright");
    for (quantity, peak) in peaks(&frames, active) {
        let on = ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today);
        match on.ceiling {
            Ceiling::NoneAllowed if peak > rest_deg(quantity) + 1e-6 => {
                out.push(barred_until(ctx, quantity))
            }
            Ceiling::UpTo { value } if peak > value + 1e-6 => {
                out.push(
                    Reason::new("test-over-ceiling")
                        .with("quantity", quantity)
                        .with("peak", peak.round())
                        .with("ceiling", value),
                );
            }
            _ => {}
        }
    }
    match ctx.rules.allowance(day) {
        None => out.push(Reason::new("no-allowance-yet")),
        Some(allowance) => out.extend(
            demand
                .iter()
                .filter(|d| !allowance.permits(d.group, d.level))
                .map(|d| {
                    Reason::new("allowance")
                        .with("group", wire(d.group))
                        .with("level", wire(d.level))
                        .with("week", allowance.from_day / WEEK)
                }),
        ),
    }
    out
}

/// The greatest demand on each quantity along a path.
fn peaks(frames: &[PathPoint], active: Option<&'static str>) -> Vec<(&'static str, f64)> {
    let mut peaks: Vec<(&'static str, f64)> = Vec::new();
    for frame in frames.iter().filter(|frame| !at_rest(&frame.pose)) {
        for (quantity, demand) in demands(&frame.pose, active) {
            match peaks.iter_mut().find(|(q, _)| *q == quantity) {
                Some(peak) => peak.1 = peak.1.max(demand),
                None => peaks.push((quantity, demand)),
            }
        }
    }
    peaks
}

fn outside_range(exercise: &Exercise, dose: &Dose) -> Option<(&'static str, f64, f64, bool)> {
    let range = &exercise.range;
    let counted = [
        ("sets", dose.sets, range.sets),
        ("repetitions", dose.repetitions, range.repetitions),
        ("hold_s", dose.hold_s, range.hold_s),
        ("times_per_day", dose.times_per_day, range.times_per_day),
    ];
    let found = |above: bool| {
        let out = move |(_, value, [low, high]): &(&str, u32, [u32; 2])| {
            if above { value > high } else { value < low }
        };
        let told = move |(field, _, [low, high]): (&'static str, u32, [u32; 2])| {
            (field, f64::from(low), f64::from(high), above)
        };
        counted.into_iter().find(out).map(told)
    };
    // What is too much is told before what is too little.
    found(true)
        .or_else(|| {
            let max = range.load_kg_max?;
            (dose.load_kg? > max).then_some(("load_kg", 0.0, max, true))
        })
        .or_else(|| {
            let max = f64::from(range.elastic_level_max?);
            (f64::from(dose.elastic_level?) > max).then_some(("elastic_level", 1.0, max, true))
        })
        .or_else(|| found(false))
}

/// What a movement that is not made at all may show at rest, in degrees: a hanging arm is never quite still.
fn rest_deg(quantity: &str) -> f64 {
    match quantity {
        "active-extension" => 10.0,
        q if q.contains("elevation") || q.contains("abduction") => 30.0,
        _ => 0.0,
    }
}

/// Why a movement is not made yet, and when it opens.
pub fn barred_until(ctx: &CheckContext, quantity: &str) -> Reason {
    let opens = ctx.rules.corridor(quantity).map_or(0, |c| c.opens_day);
    if ctx.rules.clock == HealingClock::None {
        return Reason::new("barred-until-phase").with("quantity", quantity);
    }
    Reason::new("barred-until-week")
        .with("quantity", quantity)
        .with("week", opens / WEEK)
        .with("opens_day", opens)
}

/// Days in `[from, to)` on which a rule of the pathway or a limit changes, and `from` itself.
fn turning_days(ctx: &CheckContext, from: EpisodeDay, to: EpisodeDay) -> Vec<EpisodeDay> {
    let rules = ctx.rules.turning_days().iter().copied();
    let mut days: Vec<EpisodeDay> = rules
        .chain(ctx.limits.iter().filter_map(|l| l.until_day))
        .chain([from, ctx.today])
        .collect();
    days.retain(|day| *day == from || (from..to).contains(day));
    days.sort_unstable();
    days.dedup();
    days
}

/// Checks a line on every day from today on (from its first day, where that is later).
///
/// Only the days on which some rule changes are looked at: between them every rule says the same.
pub fn check_line(ctx: &CheckContext, line: &Line) -> Verdict {
    let ctx = &CheckContext {
        planning: true,
        ..*ctx
    };
    let from = line.from_day.max(ctx.today);
    if line.to_day <= line.from_day {
        let reason = Reason::new("line-ends-before-start")
            .with("from_day", line.from_day)
            .with("to_day", line.to_day);
        return Verdict::of(vec![Finding {
            status: Status::Blocked,
            reason,
            overridable: false,
            day: line.from_day,
        }]);
    }
    let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
        let reason = Reason::new("unknown-exercise").with("exercise", line.exercise.as_str());
        return Verdict::of(vec![Finding {
            status: Status::Blocked,
            reason,
            overridable: false,
            day: from,
        }]);
    };
    if from >= line.to_day {
        return Verdict::of(Vec::new());
    }
    let mut findings: Vec<Finding> = Vec::new();
    for day in turning_days(ctx, from, line.to_day) {
        for finding in check_exercise(ctx, exercise, &line.dose, day).findings {
            let seen = findings.iter().any(|f| {
                f.reason.rule == finding.reason.rule
                    && ["quantity", "group", "flag", "kit", "position"]
                        .iter()
                        .all(|k| f.reason.args.get(*k) == finding.reason.args.get(*k))
            });
            if !seen {
                findings.push(finding);
            }
        }
    }
    findings.sort_by_key(|f| std::cmp::Reverse(f.status));
    Verdict::of(findings)
}
