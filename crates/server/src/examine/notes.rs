//! What else a reading rests on.

use super::page::{ReadingPage, page};
use crate::app::{App, AppState};
use crate::assess::{Opened, last_day};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, post, web};
use ritorno_core::facts::{ExamFact, ExamNote, Vote};
use ritorno_core::permission::Action;
use ritorno_core::ranges::TOLD_AT_HOME;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, episode, findings};
use uuid::Uuid;

/// A vote is a measurement; what is known and how likely it was beforehand is the clinician's.
pub(crate) fn exam_note_action(note: &ExamNote) -> Action {
    use ExamFact::{Injection, Known, PathwayKept, PreTest};
    if matches!(
        note.fact,
        Known { .. } | PreTest { .. } | PathwayKept { .. } | Injection { .. }
    ) {
        Action::EditStory
    } else {
        Action::Measure
    }
}

/// Keeps what else a reading rests on.
pub(crate) fn keep_exam_note(
    state: &AppState,
    conn: &mut PgConnection,
    _user: &User,
    id: EpisodeId,
    note: ExamNote,
) -> Result<(), ApiError> {
    let loaded = episode::load(conn, id, state.today.date())?;
    let known = state.knowledge_of(conn, &loaded)?;
    let mut faults = Faults::default();
    match &note.fact {
        // What was injected before the shoulder was seen here still tells something; a year is long enough.
        ExamFact::Injection { .. } => {
            let first = loaded.facts.story.day0 - chrono::Days::new(365);
            faults.event_date("on", note.on, first, last_day(&loaded));
        }
        _ => faults.event_date("on", note.on, loaded.facts.story.day0, last_day(&loaded)),
    }
    match &note.fact {
        ExamFact::Irritability { question, value } => {
            let row = match question {
                Vote::WorstPain => "score_0_10",
                _ => "vote",
            };
            faults.bound(&known, "value", row, *value);
        }
        ExamFact::Known { about, .. } => {
            let conditions = ["frozen-shoulder", "glenohumeral-osteoarthritis"];
            faults.known(
                "about",
                about,
                known.hypothesis(about).is_some() || conditions.contains(&about.as_str()),
            );
        }
        ExamFact::Instability { .. } | ExamFact::Injection { .. } => {}
        ExamFact::PathwayKept { pathway, reason } => {
            faults.known("pathway", pathway, known.pathways.contains_key(pathway));
            faults.text("reason", reason, 300, true);
        }
        ExamFact::Response {
            sign,
            dose,
            before,
            after,
        } => {
            faults.text("sign", sign, 120, true);
            faults.text("dose", dose, 120, true);
            faults.bound(&known, "before", "score_0_10", *before);
            faults.bound(&known, "after", "score_0_10", *after);
        }
        ExamFact::TryOut { exercise, .. } => {
            faults.known("exercise", exercise, known.exercises.contains_key(exercise))
        }
        ExamFact::Landmark {
            quantity,
            degrees,
            words,
        } => {
            let row = known.quantity(quantity);
            let told = TOLD_AT_HOME.contains(&quantity.as_str());
            faults.known("quantity", quantity, told && row.is_some());
            if let Some(row) = row {
                faults.within("degrees", *degrees, row.min, row.max);
            }
            faults.text("words", words, 120, true);
        }
        ExamFact::PreTest {
            hypothesis,
            probability,
            reason,
        } => {
            faults.known(
                "hypothesis",
                hypothesis,
                known.hypothesis(hypothesis).is_some(),
            );
            faults.bound(&known, "probability", "probability", *probability);
            faults.text("reason", reason, 300, true);
        }
    }
    faults.check()?;
    findings::add_note(conn, id, &note)?;
    Ok(())
}

#[utoipa::path(tag = "examine", request_body = ExamNote, responses((status = 200, body = ReadingPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/exam-notes")]
pub(crate) async fn add_exam_note(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ExamNote>,
) -> Result<web::Json<ReadingPage>, ApiError> {
    let id = EpisodeId(*id);
    let note = form.into_inner();
    let action = exam_note_action(&note);
    app.command(
        &req,
        action,
        "add-exam-note",
        Of::Episode(id),
        move |state, conn, user| {
            keep_exam_note(state, conn, user, id, note)?;
            let loaded = refresh_lane(state, conn, id)?;
            let opened = Opened::of(state, conn, loaded)?;
            Ok(web::Json(page(state, &opened)?))
        },
    )
    .await
}
