//! The patient's own page: the link that opens it, what it shows, what is told from home.

mod calendar;
mod door;
mod link;
mod page;
mod stop;
mod telling;

pub(crate) use calendar::{give_calendar, home_calendar};
pub(crate) use door::open_home;
pub(crate) use link::{end_home_link, make_home_link, show_home_link};
pub(crate) use page::{clinic_card, home_figure, home_page, preview_home_page};
pub(crate) use telling::tell_from_home;

use crate::app::AppState;
use crate::problem::ApiError;
use crate::security::{phone_of, token_hash};
use actix_web::HttpRequest;
use actix_web::http::StatusCode;
use ritorno_core::permission::{Action, Role, may};
use ritorno_store::{EpisodeId, PgConnection, home_link};

/// The shoulder that a telephone was let in for: its own and no other.
///
/// # Errors
/// 401 when it was never let in, or its link has run out, was ended or replaced.
pub(crate) fn let_in(
    state: &AppState,
    conn: &mut PgConnection,
    token: &[u8],
) -> Result<EpisodeId, ApiError> {
    home_link::phone(conn, token, state.today.date())?
        .filter(|_| may(Role::PatientLink, Action::OwnProgram))
        .ok_or_else(|| ApiError::new(StatusCode::UNAUTHORIZED, "unauthenticated", &[]))
}

/// Reads about the telephone's own shoulder in one snapshot; `show` works it out after the connection was given back.
async fn from_home<L: Send + 'static, T: Send + 'static>(
    app: &AppState,
    req: &HttpRequest,
    work: impl FnOnce(&AppState, &mut PgConnection, EpisodeId) -> Result<L, ApiError> + Send + 'static,
    show: impl FnOnce(&AppState, L) -> Result<T, ApiError> + Send + 'static,
) -> Result<T, ApiError> {
    let token = phone_of(req)?;
    let read = move |state: &AppState, conn: &mut PgConnection| {
        ritorno_store::read(conn, |conn| {
            let own = let_in(state, conn, &token)?;
            work(state, conn, own)
        })
    };
    app.with_connection(read, show).await
}

/// What stands for a shoulder on a telephone, where its id never goes: entries that wait there name it, so that those of one patient
/// are never taken for another's who opened the page on the same telephone since.
fn whose(own: EpisodeId) -> String {
    let digest = token_hash(&format!("home {own}"));
    digest[..8].iter().map(|b| format!("{b:02x}")).collect()
}
