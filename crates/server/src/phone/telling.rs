//! What is told from home: what was done, what hurt, what is wrong. Each entry once, for its own day, however late it comes.

use super::{let_in, whose};
use crate::app::{App, AppState};
use crate::command::{Of, locked_by};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::security::phone_of;
use crate::validate::Faults;
use crate::visit::{Ground, keep_log_from};
use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, post};
use chrono::NaiveDate;
use ritorno_core::facts::{Answer, FlagAnswer, LogEntry, LogFact};
use ritorno_store::event::Via;
use ritorno_store::{Actor, EpisodeId, PgConnection, flags};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// An entry with whom it is about.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct PhoneTold {
    /// What the page called its patient when it was told.
    whose: String,
    #[serde(flatten)]
    entry: PhoneEntry,
}

/// Something told from home. There are no free words in it: nobody reads them at night.
#[derive(Debug, Clone, Serialize, Deserialize, utoipa::ToSchema)]
pub(crate) struct PhoneEntry {
    /// Made on the telephone, so that one sent twice is kept once.
    pub(super) id: Uuid,
    /// The day it speaks about.
    pub(super) on: NaiveDate,
    #[serde(flatten)]
    pub(super) says: PhoneSaid,
}

/// What is told.
#[derive(Debug, Clone, Serialize, Deserialize, utoipa::ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub(crate) enum PhoneSaid {
    /// An exercise was done: sessions so far that day.
    Done {
        exercise: String,
        sessions: u32,
        repetitions: u32,
    },
    /// An exercise is left out that day.
    LeftOut { exercise: String },
    /// Pain while doing an exercise, 0 to 10.
    PainDuring { exercise: String, value: f64 },
    /// Pain this morning, 0 to 10.
    PainNextMorning { value: f64 },
    /// The shoulder slipped, or felt about to.
    Slip,
    /// A bad day: less was done.
    FlareDay,
    /// Something is wrong: a red flag that stands on the page.
    Stop { flag: String },
}

impl PhoneEntry {
    /// The entry of the log it becomes; none where it raises a flag.
    fn log(&self) -> Option<LogEntry> {
        let (exercise, fact) = match &self.says {
            PhoneSaid::Done {
                exercise,
                sessions,
                repetitions,
            } => {
                let fact = LogFact::Done {
                    sessions: *sessions,
                    repetitions: *repetitions,
                };
                (Some(exercise), fact)
            }
            PhoneSaid::LeftOut { exercise } => (Some(exercise), LogFact::LeftOut),
            PhoneSaid::PainDuring { exercise, value } => {
                (Some(exercise), LogFact::PainDuring { value: *value })
            }
            PhoneSaid::PainNextMorning { value } => {
                (None, LogFact::PainNextMorning { value: *value })
            }
            PhoneSaid::Slip => (None, LogFact::Slip),
            PhoneSaid::FlareDay => (None, LogFact::FlareDay),
            PhoneSaid::Stop { .. } => return None,
        };
        Some(LogEntry {
            id: self.id,
            on: self.on,
            exercise: exercise.cloned(),
            fact,
            remark: String::new(),
        })
    }

    /// What an entry of the log says to the telephone; none for what it never tells.
    pub(super) fn of(entry: &LogEntry) -> Option<PhoneEntry> {
        let exercise = || entry.exercise.clone();
        let says = match entry.fact {
            LogFact::Done {
                sessions,
                repetitions,
            } => PhoneSaid::Done {
                exercise: exercise()?,
                sessions,
                repetitions,
            },
            LogFact::LeftOut => PhoneSaid::LeftOut {
                exercise: exercise()?,
            },
            LogFact::PainDuring { value } => PhoneSaid::PainDuring {
                exercise: exercise()?,
                value,
            },
            LogFact::PainNextMorning { value } => PhoneSaid::PainNextMorning { value },
            LogFact::Slip => PhoneSaid::Slip,
            LogFact::FlareDay => PhoneSaid::FlareDay,
            LogFact::PainBefore { .. } | LogFact::SlipWorse { .. } | LogFact::Effort { .. } => {
                return None;
            }
        };
        Some(PhoneEntry {
            id: entry.id,
            on: entry.on,
            says,
        })
    }
}

#[utoipa::path(tag = "phone", request_body = PhoneTold, responses((status = 200), (status = "default", body = Problem)))]
#[post("/home/log")]
pub(crate) async fn tell_from_home(
    app: App,
    req: HttpRequest,
    form: Form<PhoneTold>,
) -> Result<HttpResponse, ApiError> {
    let token = phone_of(&req)?;
    let PhoneTold {
        whose: told_of,
        entry,
    } = form.into_inner();
    app.block(move |state, conn| {
        let own = let_in(state, conn, &token)?;
        // Somebody else opened the page on this telephone since.
        if told_of != whose(own) {
            return Err(ApiError::new(StatusCode::FORBIDDEN, "made-by-another", &[]));
        }
        let actor = Actor {
            user: None,
            action: "tell-from-home",
        };
        locked_by(state, conn, actor, Of::Episode(own), |state, conn| {
            keep(state, conn, own, entry)?;
            refresh_lane(state, conn, own).map(|_| ())
        })
    })
    .await?;
    Ok(HttpResponse::Ok().finish())
}

/// Keeps what was told: an entry of the log, or a flag answered *yes*, which holds the program until the clinic has seen to it.
fn keep(
    state: &AppState,
    conn: &mut PgConnection,
    own: EpisodeId,
    entry: PhoneEntry,
) -> Result<(), ApiError> {
    if let Some(log) = entry.log() {
        return keep_log_from(state, conn, Via::Home, own, log);
    }
    let PhoneSaid::Stop { flag } = entry.says else {
        return Ok(());
    };
    let ground = Ground::of(state, conn, own)?;
    let mut faults = Faults::default();
    faults.event_date("on", entry.on, ground.first_day, ground.last_day);
    let known = state.knowledge.red_flag(&flag).is_some_and(|f| f.at_home);
    faults.known("flag", &flag, known);
    faults.check()?;
    let answer = FlagAnswer {
        id: entry.id,
        flag,
        answer: Answer::Yes,
        on: entry.on,
        about: Vec::new(),
        because: None,
    };
    flags::add_answer(conn, own, &answer, Via::Home)?;
    Ok(())
}
