//! From three pushes to a set, from sets to symmetry and ratios.

use crate::context::CheckContext;
use crate::facts::{Facts, StrengthTrial};
use crate::knowledge::StrengthTest;
use crate::mechanics::{Arm, KeyPose, Path};
use crate::reason::Reason;
use crate::safety::bars_position;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// The trials of one test, side and day together.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrengthSet {
    /// Side.
    pub side: Arm,
    /// The day of the pushes.
    pub on: NaiveDate,
    /// All trials of that day, oldest first.
    pub trials: Vec<StrengthTrial>,
    /// Mean of the last three sound ones in newtons.
    pub mean_n: Option<f64>,
    /// Best of them.
    pub best_n: Option<f64>,
    /// Coefficient of variation in percent, from three.
    pub variation_pct: Option<f64>,
    /// Mean times the lever, in newton metres.
    pub moment_nm: Option<f64>,
    /// Mean by body mass, where that is known.
    pub per_mass_n_kg: Option<f64>,
    /// Greatest pain of them.
    pub pain: Option<f64>,
    /// What to mind: fewer than three, unsteady, limited by pain.
    pub minds: Vec<Reason>,
}

/// One test with both sides.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrengthView {
    /// Test id.
    pub test: String,
    /// Pushes of today against a simulated device: shown, never counted.
    #[serde(default)]
    pub simulated: Vec<StrengthTrial>,
    /// Body position, a wording key.
    pub position: String,
    /// Usual lever in metres.
    pub lever_m: Option<f64>,
    /// What protection has against it on the affected side.
    pub barred: Vec<Reason>,
    /// Newest day of the affected side.
    pub affected: Option<StrengthSet>,
    /// Newest day of the other side.
    pub other: Option<StrengthSet>,
    /// The day before the newest, of the affected side.
    pub before: Option<StrengthSet>,
    /// Affected in percent of the other side.
    pub symmetry_pct: Option<f64>,
}

/// All tests, and the ratio of external to internal rotation.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrengthPage {
    /// The tests in order.
    pub tests: Vec<StrengthView>,
    /// Symmetry to aim for, in percent.
    pub symmetry_goal_pct: f64,
    /// External to internal rotation at the side: affected, other.
    pub er_ir_side: [Option<f64>; 2],
    /// External to internal rotation at 90°: affected, other.
    pub er_ir_90: [Option<f64>; 2],
}

/// The trials of one test and side on one day, summed up.
pub fn sets_on(
    ctx: &CheckContext,
    facts: &Facts,
    test: &str,
    side: Arm,
    on: NaiveDate,
) -> Option<StrengthSet> {
    let trials: Vec<StrengthTrial> = facts
        .strength
        .iter()
        .filter(|t| t.test == test && t.side == side && t.on == on)
        .cloned()
        .collect();
    (!trials.is_empty()).then(|| sum_up(ctx, facts, side, on, trials))
}

/// The newest set of one test and side.
pub fn newest_set(ctx: &CheckContext, facts: &Facts, test: &str, side: Arm) -> Option<StrengthSet> {
    set_of(ctx, facts, test, side, 0)
}

/// The trials of one test and side on its newest day, or on the day before that.
fn set_of(
    ctx: &CheckContext,
    facts: &Facts,
    test: &str,
    side: Arm,
    back: usize,
) -> Option<StrengthSet> {
    let mut days: Vec<NaiveDate> = facts
        .strength
        .iter()
        .filter(|t| t.test == test && t.side == side)
        .map(|t| t.on)
        .collect();
    days.dedup();
    sets_on(
        ctx,
        facts,
        test,
        side,
        *days.get(days.len().checked_sub(back + 1)?)?,
    )
}

fn sum_up(
    ctx: &CheckContext,
    facts: &Facts,
    side: Arm,
    on: NaiveDate,
    trials: Vec<StrengthTrial>,
) -> StrengthSet {
    let used: Vec<&StrengthTrial> = trials.iter().rev().filter(|t| t.sound).take(3).collect();
    let n = used.len() as f64;
    let mean_n = (n > 0.0).then(|| used.iter().map(|t| t.peak_n).sum::<f64>() / n);
    let variation_pct = mean_n.filter(|m| used.len() >= 3 && *m > 0.0).map(|m| {
        let variance = used.iter().map(|t| (t.peak_n - m).powi(2)).sum::<f64>() / (n - 1.0);
        100.0 * variance.sqrt() / m
    });
    let lever = used.first().and_then(|t| t.lever_m);
    let pain = trials.iter().filter_map(|t| t.pain).reduce(f64::max);
    let mut minds = Vec::new();
    if trials.iter().any(|t| {
        t.device
            .as_deref()
            .is_some_and(|d| d.starts_with("simulated"))
    }) {
        minds.push(Reason::new("strength-simulated"));
    }
    if used.len() < 3 {
        minds.push(Reason::new("strength-few").with("n", n));
    }
    let bound = ctx.known.threshold("strength-variation-pct");
    if let Some(v) = variation_pct.filter(|v| *v > bound) {
        minds.push(
            Reason::new("strength-unsteady")
                .with("percent", v.round())
                .with("limit", bound),
        );
    }
    if let Some(pain) = pain.filter(|p| *p >= ctx.known.threshold("strength-pain-limit")) {
        minds.push(Reason::new("strength-pain-limited").with("pain", pain));
    }
    StrengthSet {
        side,
        on,
        mean_n,
        best_n: used.iter().map(|t| t.peak_n).reduce(f64::max),
        variation_pct,
        moment_nm: mean_n.zip(lever).map(|(f, l)| f * l),
        per_mass_n_kg: mean_n.zip(facts.story.mass_kg).map(|(f, m)| f / m),
        pain,
        minds,
        trials,
    }
}

/// What may be tested and what was found.
///
/// Symmetry needs three sound trials on both sides and an other side that may serve. Source: common practice, no published
/// source; the ratio's use as in Ellenbecker and Davies 2000, from memory.
pub fn strength_page(ctx: &CheckContext, facts: &Facts) -> StrengthPage {
    let side = facts.story.side;
    let tests: Vec<StrengthView> = ctx
        .known
        .strength
        .iter()
        .map(|test| {
            let affected = set_of(ctx, facts, &test.id, side, 0);
            let other = set_of(ctx, facts, &test.id, side.other(), 0);
            let whole = |set: &Option<StrengthSet>| {
                set.as_ref()
                    .filter(|s| s.variation_pct.is_some())
                    .and_then(|s| s.mean_n)
            };
            let comparable = matches!(
                facts.story.other_side,
                crate::facts::OtherSide::Sound | crate::facts::OtherSide::Hypermobile
            );
            StrengthView {
                simulated: facts
                    .simulated_strength
                    .iter()
                    .filter(|t| t.test == test.id && t.on == facts.today)
                    .cloned()
                    .collect(),
                test: test.id.clone(),
                position: test.position.clone(),
                lever_m: test.lever_m,
                barred: strength_barred(ctx, facts, test),
                before: set_of(ctx, facts, &test.id, side, 1),
                symmetry_pct: whole(&affected)
                    .zip(whole(&other))
                    .filter(|(_, o)| comparable && *o > 0.0)
                    .map(|(a, o)| 100.0 * a / o),
                affected,
                other,
            }
        })
        .collect();
    let ratio = |er: &str, ir: &str, which: fn(&StrengthView) -> &Option<StrengthSet>| {
        let mean = |id: &str| {
            tests
                .iter()
                .find(|t| t.test == id)
                .and_then(|t| which(t).as_ref())
                .and_then(|s| s.mean_n)
        };
        mean(er)
            .zip(mean(ir))
            .filter(|(_, ir)| *ir > 0.0)
            .map(|(er, ir)| er / ir)
    };
    let er_ir_side = [
        ratio("er-side", "ir-side", |t| &t.affected),
        ratio("er-side", "ir-side", |t| &t.other),
    ];
    let er_ir_90 = [
        ratio("er-90", "ir-90", |t| &t.affected),
        ratio("er-90", "ir-90", |t| &t.other),
    ];
    StrengthPage {
        tests,
        symmetry_goal_pct: ctx.known.threshold("symmetry-goal-pct"),
        er_ir_side,
        er_ir_90,
    }
}

/// Maximal testing only once every group that works has the allowance *resisted*; empty when nothing is against it.
pub fn strength_barred(ctx: &CheckContext, facts: &Facts, test: &StrengthTest) -> Vec<Reason> {
    if !ctx.rules.protects() && facts.limits.is_empty() {
        return Vec::new();
    }
    let path = Path {
        keys: test.path.iter().filter_map(KeyPose::pose).collect(),
    };
    let mut out = bars_position(ctx, &path, &test.demand, &[], facts.day());
    if ctx.rules.protects() && !ctx.cleared {
        out.push(Reason::new("no-clearance"));
    }
    out
}
