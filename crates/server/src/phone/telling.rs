//! What is told from home: what was done, what hurt, what is wrong. Each entry once, for its own day, however late it comes.

use super::stop::PhoneStop;
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
use actix_web::{HttpRequest, post, web};
use chrono::NaiveDate;
use ritorno_core::facts::{Answer, FlagAnswer, LeftBecause, LogEntry, LogFact, Written};
use ritorno_core::knowledge::screen;
use ritorno_store::event::{self, Via};
use ritorno_store::{Actor, EpisodeId, PgConnection, flags, home_words, unread};
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

/// Something told from home.
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
    LeftOut {
        exercise: String,
        /// Why, where it was said.
        #[serde(default)]
        because: Option<LeftBecause>,
    },
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
    /// A message, in words.
    Message { words: String },
}

/// What the page says at once after something was told.
#[derive(Debug, Serialize, utoipa::ToSchema)]
pub(crate) struct PhoneHeard {
    /// Red flags that a message asks about, the most urgent first: they hold the program until the clinic has asked.
    asks: Vec<PhoneStop>,
}

impl PhoneEntry {
    /// The entry of the log it becomes; none where it raises a flag or is read by somebody.
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
            PhoneSaid::LeftOut { exercise, because } => {
                (Some(exercise), LogFact::LeftOut { because: *because })
            }
            PhoneSaid::PainDuring { exercise, value } => {
                (Some(exercise), LogFact::PainDuring { value: *value })
            }
            PhoneSaid::PainNextMorning { value } => {
                (None, LogFact::PainNextMorning { value: *value })
            }
            PhoneSaid::Slip => (None, LogFact::Slip),
            PhoneSaid::FlareDay => (None, LogFact::FlareDay),
            PhoneSaid::Stop { .. } | PhoneSaid::Message { .. } => return None,
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
            LogFact::LeftOut { because } => PhoneSaid::LeftOut {
                exercise: exercise()?,
                because,
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

#[utoipa::path(tag = "phone", request_body = PhoneTold, responses((status = 200, body = PhoneHeard), (status = "default", body = Problem)))]
#[post("/home/log")]
pub(crate) async fn tell_from_home(
    app: App,
    req: HttpRequest,
    form: Form<PhoneTold>,
) -> Result<web::Json<PhoneHeard>, ApiError> {
    let token = phone_of(&req)?;
    let PhoneTold {
        whose: told_of,
        entry,
    } = form.into_inner();
    let heard = app
        .block(move |state, conn| {
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
                let heard = PhoneHeard {
                    asks: asks(state, &entry.says),
                };
                keep(state, conn, own, entry)?;
                refresh_lane(state, conn, own)?;
                Ok(heard)
            })
        })
        .await?;
    Ok(web::Json(heard))
}

/// What the words of a message may mean: said at once, and asked about by the clinic.
fn asks(state: &AppState, says: &PhoneSaid) -> Vec<PhoneStop> {
    let PhoneSaid::Message { words } = says else {
        return Vec::new();
    };
    let known = &state.knowledge;
    let hits = screen(known, words);
    let mut asks: Vec<PhoneStop> = known
        .red_flags
        .iter()
        .filter(|flag| hits.iter().any(|hit| hit.flag == flag.id))
        .map(PhoneStop::of)
        .collect();
    asks.sort_by_key(|ask| ask.tier);
    asks
}

/// Keeps what was told: an entry of the log, a flag answered *yes*, or a message that is read like any other text. What somebody
/// of the clinic must see is put on the list of what nobody has read; told a second time, it does not come back there.
fn keep(
    state: &AppState,
    conn: &mut PgConnection,
    own: EpisodeId,
    entry: PhoneEntry,
) -> Result<(), ApiError> {
    let id = entry.id;
    let read_by_somebody = matches!(
        entry.says,
        PhoneSaid::Slip | PhoneSaid::Stop { .. } | PhoneSaid::Message { .. }
    );
    let new = event::episode_of(conn, id)?.is_none();
    if let Some(log) = entry.log() {
        keep_log_from(state, conn, Via::Home, own, log)?;
    } else {
        keep_other(state, conn, own, entry)?;
    }
    if read_by_somebody && new {
        unread::waits(conn, own, id)?;
    }
    Ok(())
}

fn keep_other(
    state: &AppState,
    conn: &mut PgConnection,
    own: EpisodeId,
    entry: PhoneEntry,
) -> Result<(), ApiError> {
    let ground = Ground::of(state, conn, own)?;
    let mut faults = Faults::default();
    faults.event_date("on", entry.on, ground.first_day, ground.last_day);
    match entry.says {
        PhoneSaid::Stop { flag } => {
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
        }
        PhoneSaid::Message { words } => {
            let bound = state.knowledge.bounds.get("message_characters");
            let most = bound.map_or(0, |bound| bound.max as usize);
            faults.text("words", &words, most, true);
            faults.check()?;
            let message = Written {
                id: entry.id,
                on: entry.on,
                text: words,
            };
            home_words::add_message(conn, own, &message)?;
        }
        _ => {}
    }
    Ok(())
}
