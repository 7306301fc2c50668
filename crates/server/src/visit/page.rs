//! The page.

use crate::app::{App, AppState};
use crate::assess::Opened;
use crate::problem::{ApiError, Problem};
use crate::unread::{FromHome, of_episode};
use actix_web::{HttpRequest, get, web};
use chrono::NaiveDate;
use ritorno_core::facts::{Line, Written};
use ritorno_core::permission::Action;
use ritorno_core::progress::{HomeGrid, home_grid};
use ritorno_core::safety::scheduled_lines;
use ritorno_core::visit::{VisitView, visit_view};
use ritorno_store::episode::Loaded;
use ritorno_store::{
    EpisodeId, PgConnection, StoreError, UserId, cover, deciding, episode, user, visit as notes,
};
use serde::Serialize;
use uuid::Uuid;

/// Who treats a shoulder, and who looks after it today in their place.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Treats {
    #[schema(value_type = Uuid)]
    id: UserId,
    name: String,
    covered_by: Option<String>,
}

impl Treats {
    fn of(
        conn: &mut PgConnection,
        who: UserId,
        today: NaiveDate,
    ) -> Result<Option<Self>, StoreError> {
        let people = user::all(conn)?;
        let name = |id: UserId| people.iter().find(|u| u.id == id).map(|u| u.name.clone());
        let away = cover::from(conn, today)?
            .into_iter()
            .find(|c| c.away_user == who && c.from_on <= today);
        Ok(name(who).map(|own| Treats {
            id: who,
            name: own,
            covered_by: away.and_then(|c| name(c.cover_user)),
        }))
    }
}

/// The last signed note.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct NoteView {
    on: NaiveDate,
    body: String,
}

/// The visit page.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct VisitPage {
    name: String,
    work: String,
    side: ritorno_core::mechanics::Arm,
    day0: NaiveDate,
    today: NaiveDate,
    view: VisitView,
    last_note: Option<NoteView>,
    /// Who treats the shoulder.
    treated_by: Option<Treats>,
    /// Lines that run today.
    lines: Vec<Line>,
    /// The last days at home, as many as the log shows.
    home: HomeGrid,
    /// What was decided about exercises over the last fortnight, newest first.
    decided: Vec<DecidedView>,
    /// What was told from home and nobody has read yet, oldest first.
    from_home: Vec<FromHome>,
}

/// What was made of a proposal.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct DecidedView {
    line: Uuid,
    exercise: String,
    proposed: String,
    answer: String,
    reason: String,
    on: NaiveDate,
}

/// What the page shows beside what follows from the facts.
pub(crate) struct Gathered {
    opened: Opened,
    last_note: Option<Written>,
    treated_by: Option<Treats>,
    decided: Vec<(NaiveDate, deciding::Kept)>,
    from_home: Vec<FromHome>,
}

/// Days of decisions that the page looks back on.
pub(super) const DECIDED_DAYS: u64 = 14;

impl Gathered {
    fn read(state: &AppState, conn: &mut PgConnection, loaded: Loaded) -> Result<Self, ApiError> {
        let since = loaded.facts.today - chrono::Days::new(DECIDED_DAYS);
        Ok(Gathered {
            last_note: notes::newest(conn, loaded.episode)?,
            treated_by: match loaded.treated_by {
                Some(who) => Treats::of(conn, who, loaded.facts.today)?,
                None => None,
            },
            decided: deciding::since(conn, loaded.episode, since)?,
            from_home: of_episode(state, conn, loaded.episode)?,
            opened: Opened::of(state, conn, loaded)?,
        })
    }
}

/// The page after a write.
pub(crate) fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<web::Json<VisitPage>, ApiError> {
    show(Gathered::read(state, conn, loaded)?)
}

pub(super) fn show(gathered: Gathered) -> Result<web::Json<VisitPage>, ApiError> {
    let loaded = &gathered.opened.loaded;
    let facts = &loaded.facts;
    let assessment = gathered.opened.assess()?;
    let ctx = assessment.ctx();
    let view = visit_view(&assessment);
    Ok(web::Json(VisitPage {
        name: format!(
            "{} {}",
            loaded.patient.given_name, loaded.patient.family_name
        ),
        work: facts.story.work.clone(),
        side: facts.story.side,
        day0: facts.story.day0,
        today: facts.today,
        home: home_grid(&ctx, facts, view.log_days),
        view,
        last_note: gathered.last_note.map(|n| NoteView {
            on: n.on,
            body: n.text,
        }),
        treated_by: gathered.treated_by,
        from_home: gathered.from_home,
        lines: scheduled_lines(&ctx, facts, facts.day())
            .into_iter()
            .cloned()
            .collect(),
        decided: gathered
            .decided
            .into_iter()
            .map(|(on, d)| DecidedView {
                line: d.line_id,
                exercise: d.exercise,
                proposed: d.proposed,
                answer: d.answer,
                reason: d.reason,
                on,
            })
            .collect(),
    }))
}

#[utoipa::path(tag = "visit", responses((status = 200, body = VisitPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/visit")]
pub(crate) async fn show_visit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<VisitPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            Gathered::read(state, conn, loaded)
        },
        |_, gathered| show(gathered),
    )
    .await
}
