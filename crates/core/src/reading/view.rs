//! The whole reading, as the page shows it.

use super::conditions::{ConditionStatus, ConditionView, conditions, pathway_challenge};
use super::evidence::{Weighed, weigh};
use super::impairments::{Impairment, impairments};
use super::irritability::{IrritabilityView, irritability};
use super::model::ReadingModel;
use super::next::{PlanItem, plan, telling};
use super::operated::{SignView, operated_state};
use super::posterior::{HypothesisView, Word, read_hypothesis};
use super::scores::{ResponseView, WorkedOut, responses, worked_out};
use crate::assessment::Assessment;
use crate::context::CheckContext;
use crate::facts::{Facts, OtherSide};
use crate::flags::FlagView;
use crate::ranges::{ChangeView, changes};
use crate::reason::Reason;
use serde::{Deserialize, Serialize};

/// Everything that Read shows.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ReadView {
    /// Operated shoulders get a state, not probabilities.
    pub operated: bool,
    /// Open red flags; they outrank all below.
    pub flags: Vec<FlagView>,
    /// Why the chosen pathway is challenged before anything is built.
    pub challenge: Option<Reason>,
    /// Conditions decided by criterion.
    pub conditions: Vec<ConditionView>,
    /// Hypotheses, in the order of the knowledge; empty for an operated shoulder.
    pub hypotheses: Vec<HypothesisView>,
    /// The state of an operated shoulder; empty for others.
    pub state: Vec<SignView>,
    /// Irritability with its votes.
    pub irritability: IrritabilityView,
    /// Ranked impairments.
    pub impairments: Vec<Impairment>,
    /// What changed since the last visit.
    pub changes: Vec<ChangeView>,
    /// Scores and decisions worked out from findings.
    pub worked_out: Vec<WorkedOut>,
    /// Within-session responses of today.
    pub responses: Vec<ResponseView>,
    /// The few tests that would change this most, by bits a minute; empty for an operated shoulder.
    pub telling: Vec<PlanItem>,
    /// Findings of the affected side, used and unused.
    pub findings: Vec<Weighed>,
    /// Findings of the other side.
    pub other_findings: Vec<Weighed>,
    /// What to examine next.
    pub plan: Vec<PlanItem>,
    /// A plain-language summary for the record.
    pub summary: Vec<Reason>,
}

/// Reads an examination.
pub fn read(assessment: &Assessment, model: &ReadingModel) -> ReadView {
    let (ctx, facts) = (assessment.ctx(), assessment.facts);
    let findings = weigh(&ctx, facts, facts.story.side);
    let found = conditions(&ctx, facts);
    let mut hypotheses: Vec<HypothesisView> = if facts.operated() {
        Vec::new()
    } else {
        ctx.known
            .hypotheses
            .iter()
            .map(|h| read_hypothesis(ctx.known, model, h, facts, &findings))
            .collect()
    };
    // A stiff shoulder makes the impingement signs positive by itself: the criterion comes first.
    let stiff = found
        .iter()
        .find(|c| matches!(c.status, ConditionStatus::Met | ConditionStatus::RangeOnly));
    if let (Some(condition), Some(view)) = (
        stiff,
        hypotheses
            .iter_mut()
            .find(|h| h.hypothesis == "subacromial-pain"),
    ) {
        // Withheld whatever it says, with or without the radiograph: before it, it is a stiff pattern and no more.
        let rule = match condition.status {
            ConditionStatus::Met => "criterion-first",
            _ => "stiff-pattern-first",
        };
        view.word = Word::Open;
        view.withheld = true;
        view.why = vec![Reason::new(rule).with("condition", condition.condition.as_str())];
    }
    for view in hypotheses.iter_mut().filter(|h| h.word == Word::Unlikely) {
        let about = ctx.known.hypothesis(&view.hypothesis);
        if about.is_some_and(|h| h.slips) && lax_and_slipped(&ctx, facts) {
            view.word = Word::Open;
            view.why = vec![Reason::new("slipped-lately")];
        }
    }
    let votes = irritability(&ctx, facts);
    let plan = plan(&ctx, model, facts, &findings, &hypotheses, votes.level);
    let open_flags: Vec<FlagView> = assessment
        .flags
        .iter()
        .filter(|f| f.open())
        .cloned()
        .collect();
    let state = if facts.operated() {
        operated_state(&ctx, facts, &assessment.flags)
    } else {
        Vec::new()
    };
    let impaired = impairments(&ctx, facts);
    let summary = summary(
        facts,
        &open_flags,
        &found,
        &hypotheses,
        &state,
        &votes,
        &impaired,
        &findings,
    );
    ReadView {
        operated: facts.operated(),
        flags: open_flags,
        challenge: pathway_challenge(&ctx, facts),
        conditions: if facts.operated() { Vec::new() } else { found },
        hypotheses,
        state,
        irritability: votes,
        impairments: impaired,
        changes: changes(&ctx, facts),
        worked_out: worked_out(&ctx, facts),
        responses: responses(&ctx, facts),
        telling: telling(&plan),
        other_findings: weigh(&ctx, facts, facts.story.side.other()),
        findings,
        plan,
        summary,
    }
}

/// A lax young person whose shoulder slipped lately: no number of negative tests makes that unlikely. Source: our choice.
fn lax_and_slipped(ctx: &CheckContext, facts: &Facts) -> bool {
    let young = crate::calendar::age_years(facts.birth, facts.today)
        .is_some_and(|age| f64::from(age) < ctx.known.threshold("lax-young-age-years"));
    let lately = ctx.known.threshold("slipped-lately-days") as i32;
    young
        && facts.story.other_side == OtherSide::Hypermobile
        && ctx
            .log
            .slips(facts)
            .any(|e| facts.day() - facts.day_of(e.on) <= lately)
}

#[expect(
    clippy::too_many_arguments,
    reason = "one sentence from each part of the page"
)]
fn summary(
    facts: &Facts,
    flags: &[FlagView],
    conditions: &[ConditionView],
    hypotheses: &[HypothesisView],
    state: &[SignView],
    votes: &IrritabilityView,
    impaired: &[Impairment],
    findings: &[Weighed],
) -> Vec<Reason> {
    let mut out: Vec<Reason> = flags
        .iter()
        .map(|f| Reason::new("summary-flag").with("flag", f.flag.as_str()))
        .collect();
    let used = (findings.iter())
        .filter(|w| w.unused.is_none() || w.raises.is_some())
        .count();
    out.push(
        Reason::new("summary-done")
            .with("used", used as f64)
            .with("unused", (findings.len() - used) as f64),
    );
    if !facts.operated() {
        for c in conditions {
            match c.status {
                ConditionStatus::Met => out
                    .push(Reason::new("summary-criterion").with("condition", c.condition.as_str())),
                ConditionStatus::RangeOnly => out.push(
                    Reason::new("summary-criterion-range").with("condition", c.condition.as_str()),
                ),
                _ => {}
            }
        }
    }
    let word = |w: Word, rule: &str, out: &mut Vec<Reason>| {
        for h in hypotheses.iter().filter(|h| h.word == w) {
            out.push(
                Reason::new(rule)
                    .with("hypothesis", h.hypothesis.as_str())
                    .with("percent", (h.probability * 100.0).round())
                    .with("low", (h.low * 100.0).round())
                    .with("high", (h.high * 100.0).round()),
            );
        }
    };
    word(Word::Shown, "summary-shown", &mut out);
    word(Word::Likely, "summary-likely", &mut out);
    word(Word::Unlikely, "summary-unlikely", &mut out);
    let open = hypotheses.iter().filter(|h| h.word == Word::Open).count();
    if open > 0 {
        out.push(Reason::new("summary-open").with("n", open as f64));
    }
    for sign in state
        .iter()
        .filter(|s| s.state == super::operated::SignState::Raised)
    {
        out.push(Reason::new("summary-sign").with("sign", sign.sign.as_str()));
    }
    out.push(Reason::new("summary-irritability").with(
        "irritability",
        if votes.undetermined {
            "undetermined".to_owned()
        } else {
            format!("{:?}", votes.level).to_lowercase()
        },
    ));
    for item in impaired.iter().filter(|i| i.real).take(3) {
        out.push(
            Reason::new("summary-impairment")
                .with("measure", item.measure.as_str())
                .with("deficit", item.deficit.round())
                .with("percent", item.percent.round()),
        );
    }
    out.push(Reason::new("summary-caution"));
    out
}
