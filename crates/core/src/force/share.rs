//! A load as a share of what the shoulder can do.

use super::strength::strength_page;
use crate::context::CheckContext;
use crate::facts::Facts;
use crate::knowledge::{Exercise, Level};
use crate::mechanics::{Curve, Path};
use crate::reason::Reason;

/// Share of the patient's own strength that the peak asks, percent.
///
/// Only against a test that asks the same of the same axis within 30° of where the peak lies, from three sound pushes that
/// pain did not limit, and only once the allowance of the muscles is *resisted*. Source: our choice, because a share of a
/// strength measured elsewhere is a number without meaning.
///
/// # Errors
/// The reason why there is none.
pub fn share_of_strength(
    ctx: &CheckContext,
    facts: &Facts,
    exercise: &Exercise,
    path: &Path,
    found: &Curve,
) -> Result<f64, Reason> {
    let protected = exercise.demand.iter().any(|d| {
        ctx.rules.protects()
            && !ctx
                .rules
                .allowance(facts.day())
                .is_some_and(|a| a.permits(d.group, Level::Resisted))
    });
    if protected {
        return Err(Reason::new("share-not-allowed"));
    }
    let supply = found.main.ok_or_else(|| Reason::new("share-no-moment"))?;
    let at = found
        .points
        .get(found.peak_at)
        .and_then(|p| path.at(p.at))
        .ok_or_else(|| Reason::new("share-no-moment"))?;
    let page = strength_page(ctx, facts);
    let mut why = Reason::new("share-no-test");
    for test in ctx
        .known
        .strength
        .iter()
        .filter(|t| t.supplies == Some(supply))
    {
        let Some(pose) = test.path.first().and_then(crate::mechanics::KeyPose::pose) else {
            continue;
        };
        // The elbow and where the pad lies differ between test and exercise; what must agree is where the upper arm is turned.
        if at.orientation().degrees_to(pose.orientation())
            > ctx.known.threshold("near-position-deg")
        {
            continue;
        }
        let Some(set) = page
            .tests
            .iter()
            .find(|v| v.test == test.id)
            .and_then(|v| v.affected.as_ref())
        else {
            continue;
        };
        let (Some(_), Some(moment)) = (set.variation_pct, set.moment_nm.filter(|m| *m > 0.0))
        else {
            continue;
        };
        if set
            .pain
            .is_some_and(|p| p >= ctx.known.threshold("strength-pain-limit"))
        {
            why = Reason::new("share-pain");
            continue;
        }
        return Ok(100.0 * found.peak_nm / moment);
    }
    Err(why)
}
