//! The same painful movement before and after the first set of something new.

use super::next::barred;
use super::scores::{ResponseView, responses};
use crate::context::CheckContext;
use crate::facts::{ExamFact, Facts, TestAnswer};
use crate::knowledge::{Found, Retest};
use serde::{Deserialize, Serialize};

/// What is looked at before and after the first set of something new.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RetestView {
    /// The newest test of this side that brought the own pain; without one the person shows the movement.
    pub sign: Option<String>,
    /// What was looked at today.
    pub today: Vec<ResponseView>,
}

/// The painful movement to look at before and after the first set of something new, where the school asks for it.
///
/// Source: common practice, no published source.
pub fn retest(ctx: &CheckContext, facts: &Facts) -> Option<RetestView> {
    let tried_before = facts
        .exam_notes
        .iter()
        .any(|n| n.on < facts.today && matches!(n.fact, ExamFact::TryOut { .. }));
    let asked = match ctx.rules.style.retest? {
        Retest::FirstVisit => !tried_before,
        Retest::EachTime => true,
        Retest::Never => false,
    };
    if !asked {
        return None;
    }
    let painful = |answer: &TestAnswer| {
        use Found::{Familiar, FamiliarDeep, FamiliarTop, StrongPainful, WeakPainful};
        matches!(
            answer,
            TestAnswer::Word {
                found: Familiar | FamiliarDeep | FamiliarTop | StrongPainful | WeakPainful
            }
        )
    };
    let own = facts
        .findings
        .iter()
        .rev()
        .filter(|f| f.side == facts.story.side);
    let newest = own.filter(|f| painful(&f.answer)).find(|f| {
        // What protection bars today is not asked for again.
        ctx.known
            .test(&f.test)
            .is_some_and(|test| barred(ctx, facts, test).is_empty())
    });
    // While something heals nobody looks for a movement that hurts.
    if newest.is_none() && ctx.rules.protects() {
        return None;
    }
    Some(RetestView {
        sign: newest.map(|f| f.test.clone()),
        today: responses(ctx, facts),
    })
}
