//! The causes of a flag: answers, passages of texts, findings, each with a key that a step can name.

use super::derived::Derived;
use crate::context::CheckContext;
use crate::facts::{Answer, Because, Facts, FlagStepKind, Start};
use crate::knowledge::{Hit, RedFlag, screen};
use crate::reason::Reason;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};

/// What kind of thing a cause is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CauseKind {
    /// The question was answered with yes.
    Answer,
    /// A passage of a text: it asks.
    Text,
    /// A finding, a measurement, the log.
    Finding,
}

/// Where a cause stands.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CauseState {
    /// Nothing was done about it.
    Open,
    /// Something was done.
    ActedOn,
    /// It was answered, asked about, or entered by mistake.
    Answered,
}

/// An answer that may be given in one key instead of a plain no.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Offer {
    /// "That is the injury we are treating."
    TreatedInjury,
    /// "It is wearing off" after a nerve block.
    WearingOff,
}

/// One cause as the page shows it.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CauseView {
    /// What a step or an answer names.
    pub key: String,
    /// What it is.
    pub kind: CauseKind,
    /// Where it stands.
    pub state: CauseState,
    /// The day it speaks about.
    pub on: NaiveDate,
    /// The passage, as it was written.
    pub quote: Option<String>,
    /// What the rule said.
    pub reason: Option<Reason>,
    /// An answer in one key.
    pub offer: Option<Offer>,
    /// It tells of the injury that is being treated, most likely: shown once, holds nothing.
    pub soft: bool,
}

impl CauseView {
    /// Whether it raises the flag.
    pub fn raises(&self) -> bool {
        self.kind != CauseKind::Text
    }

    /// Whether it holds the program until somebody has asked.
    pub fn holds_as_question(&self) -> bool {
        self.kind == CauseKind::Text && self.state == CauseState::Open && !self.soft
    }
}

/// All causes of a flag, newest first.
pub(super) fn causes_of(
    facts: &Facts,
    flag: &RedFlag,
    derived: &[Derived],
    texts: &[Passage],
    asked: bool,
) -> Vec<CauseView> {
    let mut out: Vec<CauseView> = Vec::new();
    for answer in facts.flag_answers.iter().filter(|a| a.flag == flag.id) {
        if answer.answer == Answer::Yes {
            out.push(CauseView {
                key: answer.id.to_string(),
                kind: CauseKind::Answer,
                state: CauseState::Open,
                on: answer.on,
                quote: None,
                reason: Some(Reason::new("flag-answered-yes").with("flag", flag.id.as_str())),
                offer: None,
                soft: false,
            });
        }
    }
    let mut add = |key: &str, on: NaiveDate, reason: &Reason| {
        if !out.iter().any(|c| c.key == key) {
            out.push(CauseView {
                key: key.to_owned(),
                kind: CauseKind::Finding,
                state: CauseState::Open,
                on,
                quote: None,
                reason: Some(reason.clone()),
                offer: None,
                soft: false,
            });
        }
    };
    for found in derived.iter().filter(|d| d.flag == flag.id) {
        add(&found.key, found.on, &found.reason);
    }
    for raise in facts.flag_raises.iter().filter(|r| r.flag == flag.id) {
        add(&raise.cause, raise.on, &raise.reason);
    }
    if asked {
        out.extend(asked_by_texts(facts, flag, texts));
    }
    for cause in &mut out {
        cause.state = state_of(facts, flag, cause, derived);
    }
    // A question that was answered is history of the timeline, not of the flag.
    out.retain(|c| c.kind != CauseKind::Text || c.state == CauseState::Open);
    out.sort_by(|a, b| b.on.cmp(&a.on).then(b.key.cmp(&a.key)));
    out
}

/// A passage of a text that some flag must ask about.
pub(super) struct Passage {
    source: String,
    on: NaiveDate,
    /// From the words about how it happened.
    mechanism: bool,
    hit: Hit,
}

/// What the texts say, screened once for all flags.
pub(super) fn passages(ctx: &CheckContext, facts: &Facts) -> Vec<Passage> {
    let story = &facts.story;
    // The story is one text that changes: its passages keep their key from revision to revision.
    let now = [
        (&story.mechanism, true),
        (&story.note, false),
        (&story.work, false),
        (&story.flag_words, false),
        (&story.complaint_words, false),
        (&story.health_words, false),
    ];
    let before = facts.story_mechanisms.iter().map(|w| (&w.text, true));
    let others = facts.story_words.iter().map(|w| (&w.text, false));
    let own = now
        .into_iter()
        .chain(before)
        .chain(others)
        .map(|(text, mechanism)| ("story".to_owned(), story.day0, text.as_str(), mechanism));
    let signed = facts
        .texts
        .iter()
        .map(|t| (t.id.to_string(), t.on, t.text.as_str(), false));
    let mut out = Vec::new();
    // A story is kept in every version, and most versions say the same.
    for (source, on, text, mechanism) in own.chain(signed) {
        let hits = ctx
            .known
            .screened
            .of(text, || screen(ctx.known, text).into());
        for hit in hits.iter().cloned() {
            let source = source.clone();
            let seen = |p: &Passage| p.source == source && p.mechanism == mechanism && p.hit == hit;
            if out.iter().any(seen) {
                continue;
            }
            out.push(Passage {
                source,
                on,
                mechanism,
                hit,
            });
        }
    }
    out
}

/// What the texts ask of one flag.
fn asked_by_texts<'a>(
    facts: &'a Facts,
    flag: &'a RedFlag,
    texts: &'a [Passage],
) -> impl Iterator<Item = CauseView> + 'a {
    let treated = flag.injury && facts.story.start != Start::Gradual;
    let block = flag
        .block_hours
        .filter(|hours| facts.operated() && facts.day() * 24 <= *hours as i32)
        .map(|_| Offer::WearingOff);
    texts
        .iter()
        .filter(|p| p.hit.flag == flag.id)
        .map(move |p| {
            // How it happened is told once, and is most likely what is being treated.
            let soft = treated && p.mechanism;
            CauseView {
                key: format!("{}#{}", p.source, p.hit.passage),
                kind: CauseKind::Text,
                state: CauseState::Open,
                on: p.on,
                reason: Some(Reason::new("text-asks").with("flag", flag.id.as_str())),
                quote: Some(p.hit.quote.clone()),
                // Only the story tells of the injury that is treated: what a later note or remark says is new until somebody has asked.
                offer: block.or((treated && p.source == "story").then_some(Offer::TreatedInjury)),
                soft,
            }
        })
}

fn state_of(facts: &Facts, flag: &RedFlag, cause: &CauseView, derived: &[Derived]) -> CauseState {
    let steps = || facts.flag_steps.iter().filter(|s| s.flag == flag.id);
    let named = |causes: &[String]| causes.contains(&cause.key);
    let ended = steps().any(|s| !matches!(s.kind, FlagStepKind::Acted { .. }) && named(&s.causes));
    let asked_about = || {
        let about = |a: &&crate::facts::FlagAnswer| a.flag == flag.id && named(&a.about);
        facts.flag_answers.iter().any(|a| about(&a))
    };
    if ended
        || (cause.kind == CauseKind::Text && asked_about())
        || stands(facts, flag, cause, derived)
    {
        CauseState::Answered
    } else if steps().any(|s| named(&s.causes)) {
        CauseState::ActedOn
    } else {
        CauseState::Open
    }
}

/// A known loss that was answered with "may stand until": a later finding of the same size does not open it again.
fn stands(facts: &Facts, flag: &RedFlag, cause: &CauseView, derived: &[Derived]) -> bool {
    let size = |key: &str| derived.iter().find(|d| d.key == key).and_then(|d| d.size);
    flag.may_stand
        && facts.flag_steps.iter().any(|step| {
            let FlagStepKind::Answered {
                stands_until: Some(until),
                ..
            } = step.kind
            else {
                return false;
            };
            let known = step
                .causes
                .iter()
                .filter_map(|key| size(key))
                .reduce(f64::max);
            let grown = match (size(&cause.key), known) {
                (Some(now), Some(known)) => now > known,
                _ => false,
            };
            step.flag == flag.id
                && (step.on..=until).contains(&cause.on)
                && !grown
                && cause.kind == CauseKind::Finding
        })
}

/// Whether an answer may rest on this.
pub fn may_rest_on(cause: &CauseView, because: Because) -> bool {
    match because {
        Because::TreatedInjury => cause.offer == Some(Offer::TreatedInjury),
        Because::WearingOff => cause.offer == Some(Offer::WearingOff),
    }
}
