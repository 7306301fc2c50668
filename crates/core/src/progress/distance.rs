//! A contact at a distance: what cannot be found out today stays unknown, and what is unknown holds.

use super::gate::next_gate;
use super::status::{CriterionStatus, CriterionView};
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Criterion, CriterionKind, Findable, HowHeld, Mode, SOUGHT, Sought};
use serde::{Deserialize, Serialize};

/// Today's contact, and what it leaves out of reach.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ContactView {
    /// How it is held.
    pub how: HowHeld,
    /// Kinds of findings that cannot be made in it.
    pub not: Vec<Sought>,
    /// Kinds of findings that are seen and not measured.
    pub by_eye: Vec<Sought>,
    /// Ranges that cannot be measured in it, by id.
    pub ranges: Vec<String>,
    /// Parts of the next gate that are open and cannot be found out in it, by id.
    pub criteria: Vec<String>,
    /// Whether new exercises can be tried out in it.
    pub try_out: Findable,
}

/// How today's contact is held: in the room, unless somebody said otherwise.
pub fn held_today(facts: &Facts) -> HowHeld {
    let mut today = facts.contacts.iter().filter(|c| c.on == facts.today);
    today.next_back().map_or(HowHeld::Room, |c| c.how)
}

/// Today's contact, and what it leaves out of reach.
///
/// Source: our choice (`distance.toml`), because a range that nobody measured is unknown, not unchanged.
pub fn contact_view(ctx: &CheckContext, facts: &Facts) -> ContactView {
    let how = held_today(facts);
    let reach = |sought| reach(ctx, sought, how);
    let kinds = |wanted: Findable| {
        let kinds = SOUGHT.iter().copied();
        kinds.filter(|kind| reach(*kind) == wanted).collect()
    };
    let quantities = ctx.known.quantities.iter();
    ContactView {
        how,
        not: kinds(Findable::No),
        by_eye: kinds(Findable::ByEye),
        ranges: quantities
            .filter(|q| reach(of_mode(q.mode)) == Findable::No)
            .map(|q| q.id.clone())
            .collect(),
        criteria: out_of_reach(ctx, facts),
        try_out: reach(Sought::Shown),
    }
}

/// Parts of the next gate that are open today and cannot be found out in today's contact, by id.
pub fn out_of_reach(ctx: &CheckContext, facts: &Facts) -> Vec<String> {
    let how = held_today(facts);
    let Some((view, rule)) = next_gate(ctx, facts).zip(ctx.rules.gate_after(ctx.phase)) else {
        return Vec::new();
    };
    let mut found = Vec::new();
    for (criterion, view) in rule.criteria.iter().zip(&view.criteria) {
        collect(ctx, how, criterion, view, &mut found);
    }
    found
}

/// Notes what is open and out of reach below a criterion; answers whether the criterion itself is.
///
/// A composite is out of reach when a part of it that could settle it is: one that is met already asks for nothing.
fn collect(
    ctx: &CheckContext,
    how: HowHeld,
    criterion: &Criterion,
    view: &CriterionView,
    found: &mut Vec<String>,
) -> bool {
    if view.status == CriterionStatus::Met {
        return false;
    }
    let parts = criterion.ask.parts();
    let mut far = false;
    for (part, view) in parts.iter().zip(&view.parts) {
        far |= collect(ctx, how, part, view, found);
    }
    if parts.is_empty() {
        far = reach(ctx, sought(ctx, &criterion.ask), how) == Findable::No;
    }
    if far {
        found.push(criterion.id.clone());
    }
    far
}

fn of_mode(mode: Mode) -> Sought {
    match mode {
        Mode::Passive => Sought::PassiveRange,
        Mode::Active => Sought::ActiveRange,
    }
}

/// What it takes to find a criterion out.
fn sought(ctx: &CheckContext, ask: &CriterionKind) -> Sought {
    let range = |id: &str| {
        let row = ctx.known.quantity(id);
        row.map_or(Sought::PassiveRange, |q| of_mode(q.mode))
    };
    match ask {
        CriterionKind::Measure { quantity, .. } | CriterionKind::Change { quantity, .. } => {
            range(quantity)
        }
        CriterionKind::Strength { .. } => Sought::Force,
        CriterionKind::LagGain { .. } => Sought::Lag,
        CriterionKind::Attested { code, .. } => {
            let row = ctx.known.attestations.iter().find(|a| a.id == *code);
            match row {
                Some(row) if !row.tests.is_empty() || !row.path.is_empty() => Sought::HandsOn,
                Some(row) if !row.exercises.is_empty() => Sought::Shown,
                _ => Sought::Said,
            }
        }
        _ => Sought::Said,
    }
}

/// A kind without a row is out of reach at a distance: nothing is presumed.
fn reach(ctx: &CheckContext, sought: Sought, how: HowHeld) -> Findable {
    let row = ctx.known.distance.iter().find(|row| row.id == sought);
    match row {
        Some(row) => row.reach(how),
        None if how == HowHeld::Room => Findable::Yes,
        None => Findable::No,
    }
}
