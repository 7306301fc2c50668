//! Everything the rules read about one shoulder, in a few statements however long the record.

use crate::contact::{AppointmentRow, CareRow, ContactRow};
use crate::convert::word;
use crate::deciding::StepRow as LineStepRow;
use crate::detail::Standing;
use crate::events::{AttestationRow, GatePassRow, ScoreRow, WeekUseRow};
use crate::findings::{FindingRow, NoteRow};
use crate::flags::{AnswerRow, RaiseRow, StepRow};
use crate::home_hours::HoursRow;
use crate::home_words::MessageText;
use crate::measurement::{BreachAnswerRow, Judged};
use crate::outcome::SheetRow;
use crate::patient::Patient;
use crate::program::{self, Head};
use crate::schema::{episode, home_link, patient};
use crate::story::{EpisodeRow, TextRow};
use crate::strength::TrialRow;
use crate::visit::NoteText;
use crate::{EpisodeId, PatientId, StoreError, UserId, elastic, limits, lists, log, reliability};
use chrono::{DateTime, NaiveDate, Utc};
use diesel::prelude::*;
use ritorno_core::facts::{ExamFact, Facts, Line, Method, OtherSide, Written};
use ritorno_core::mechanics::Arm;

/// An episode as it was loaded: its ids, its revision, and the facts.
#[derive(Debug, Clone)]
pub struct Loaded {
    /// Episode id.
    pub episode: EpisodeId,
    /// The patient.
    pub patient: Patient,
    /// Revision of the story.
    pub rev: i32,
    /// When a later operation of the same shoulder took its place.
    pub closed_on: Option<NaiveDate>,
    /// Who treats this shoulder, where somebody has taken it on.
    pub treated_by: Option<UserId>,
    /// The program, where there is one.
    pub program: Option<Head>,
    /// The facts.
    pub facts: Facts,
}

/// The other shoulder of the same person, while it is under treatment.
#[derive(Queryable, Selectable)]
#[diesel(table_name = episode)]
struct Sibling {
    id: EpisodeId,
    start: String,
    day0: NaiveDate,
}

const AFTER_SURGERY: &str = "surgery";

fn sibling(
    conn: &mut PgConnection,
    person: PatientId,
    other: Arm,
) -> Result<Option<Sibling>, StoreError> {
    Ok(episode::table
        .filter(episode::patient_id.eq(person))
        .filter(episode::side.eq(word(other)))
        .filter(episode::closed_on.is_null())
        .select(Sibling::as_select())
        .first(conn)
        .optional()?)
}

/// Loads an episode with everything the rules read: eight statements at most, whatever it holds.
///
/// # Errors
/// `NotFound`, database failure.
pub fn load(
    conn: &mut PgConnection,
    id: EpisodeId,
    today: NaiveDate,
) -> Result<Loaded, StoreError> {
    let opened = home_link::table
        .filter(home_link::episode_id.eq(episode::id))
        .filter(home_link::ended_at.is_null())
        .select(home_link::opened_at)
        .single_value();
    type Row = (EpisodeRow, Patient, Option<DateTime<Utc>>);
    let (row, person, opened): Row = episode::table
        .inner_join(patient::table.on(patient::id.eq(episode::patient_id)))
        .filter(episode::id.eq(id))
        .select((EpisodeRow::as_select(), Patient::as_select(), opened))
        .first(conn)
        .optional()?
        .ok_or(StoreError::NotFound("episode"))?;
    let (rev, closed_on) = (row.rev, row.closed_on);
    let mut story = row.story(lists::read(conn, id)?)?;
    let other_arm = story.side.other();
    // The other shoulder of the same person has its own clock; while it heals it cannot simply help.
    let sibling = sibling(conn, person.id, other_arm)?;
    if let Some(sibling) = &sibling {
        // What is known is not asked.
        story.other_side = if sibling.start == AFTER_SURGERY {
            OtherSide::Operated
        } else {
            OtherSide::Affected
        };
    }
    let both: Vec<EpisodeId> = std::iter::once(id)
        .chain(sibling.as_ref().map(|s| s.id))
        .collect();
    let standing = Standing::read(conn, &both)?;
    let mut programs = program::with_lines(conn, &both)?;
    let own = programs.iter().position(|(head, _)| head.episode_id == id);
    let (program, lines) = own.map(|at| programs.swap_remove(at)).unzip();
    let mut other_doses = Vec::new();
    if let Some((sibling, (_, lines))) = sibling.as_ref().zip(programs.first()) {
        let day = i32::try_from((today - sibling.day0).num_days()).unwrap_or(i32::MAX);
        let runs = |l: &&Line| (l.from_day..l.to_day).contains(&day);
        other_doses.extend(lines.iter().filter(runs).map(|l| l.dose));
    }
    let (mut measured, verdicts): (Vec<_>, Vec<_>) = standing.of::<Judged>(id)?.into_iter().unzip();
    let mut pushed = standing.of::<TrialRow>(id)?;
    let mut findings = standing.of::<FindingRow>(id)?;
    if let Some(sibling) = &sibling {
        // What touches the other arm lies with that arm's own episode.
        let theirs = standing.of::<Judged>(sibling.id)?.into_iter();
        measured.extend(theirs.map(|(m, _)| m).filter(|m| m.side == other_arm));
        measured.sort_by_key(|m| m.on);
        let theirs = standing.of::<TrialRow>(sibling.id)?.into_iter();
        pushed.extend(theirs.filter(|t| t.side == other_arm));
        pushed.sort_by_key(|t| t.on);
        let theirs = standing.of::<FindingRow>(sibling.id)?.into_iter();
        findings.extend(theirs.filter(|f| f.side == other_arm));
        findings.sort_by_key(|f| f.on);
    }
    let (simulated, measurements): (Vec<_>, Vec<_>) = measured
        .into_iter()
        .partition(|m| m.method == Some(Method::Simulated));
    let (simulated_strength, strength) = pushed.into_iter().partition(|t| t.simulated());
    let (story_mechanisms, others): (_, Vec<_>) =
        standing.as_known::<TextRow>(id)?.into_iter().unzip();
    let story_words = others
        .into_iter()
        .flatten()
        .filter(|w| !w.text.is_empty())
        .collect();
    let mut facts = Facts {
        today,
        other_operated_on: sibling.filter(|s| s.start == AFTER_SURGERY).map(|s| s.day0),
        birth: person.birth,
        story,
        limits: limits::all(&standing, id)?,
        flag_answers: standing.as_known::<AnswerRow>(id)?,
        flag_steps: standing.as_known::<StepRow>(id)?,
        flag_raises: standing.of::<RaiseRow>(id)?,
        texts: standing.of::<NoteText>(id)?,
        story_mechanisms,
        story_words,
        measurements,
        simulated,
        simulated_strength,
        findings,
        strength,
        sheets: standing.of::<SheetRow>(id)?,
        clinic_errors: reliability::newest(conn)?,
        elastics: elastic::all(conn)?,
        exam_notes: standing.of::<NoteRow>(id)?,
        scores: standing.of::<ScoreRow>(id)?,
        attestations: standing.of::<AttestationRow>(id)?,
        log: log::all(conn, person.id, id)?,
        // By the clinic's clock it may be the day after: a day of a week.
        phone_since: opened.map(|at| at.date_naive()),
        week_uses: standing.of::<WeekUseRow>(id)?,
        contacts: standing.as_known::<ContactRow>(id)?,
        home_hours: standing.as_known::<HoursRow>(id)?.pop(),
        appointments: standing.as_known::<AppointmentRow>(id)?,
        gate_passes: standing.of::<GatePassRow>(id)?,
        lines: lines.unwrap_or_default(),
        line_steps: standing.of::<LineStepRow>(id)?,
        other_doses,
        order: standing.order(id),
        verdicts: verdicts.into_iter().flatten().collect(),
        breach_answers: standing.of::<BreachAnswerRow>(id)?,
    };
    let remarks = remarks(&facts);
    facts.texts.extend(remarks);
    facts.texts.extend(standing.of::<MessageText>(id)?);
    Ok(Loaded {
        episode: id,
        patient: person,
        rev,
        closed_on,
        treated_by: standing.as_known::<CareRow>(id)?.pop().flatten(),
        program,
        facts,
    })
}

/// Remarks beside entries: texts like any other.
fn remarks(facts: &Facts) -> Vec<Written> {
    let pushes = facts.strength.iter().chain(&facts.simulated_strength);
    let reasons = facts.exam_notes.iter().filter_map(|n| match &n.fact {
        ExamFact::PreTest { reason, .. } | ExamFact::PathwayKept { reason, .. } => {
            Some((n.id, n.on, reason))
        }
        _ => None,
    });
    facts
        .measurements
        .iter()
        .map(|m| (m.id, m.on, &m.remark))
        .chain(facts.findings.iter().map(|f| (f.id, f.on, &f.remark)))
        .chain(facts.log.iter().map(|e| (e.id, e.on, &e.remark)))
        .chain(pushes.map(|t| (t.id, t.on, &t.remark)))
        .chain(reasons)
        .filter(|(_, _, text)| !text.trim().is_empty())
        .map(|(id, on, text)| Written {
            id,
            on,
            text: text.clone(),
        })
        .collect()
}
