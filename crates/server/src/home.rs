//! Home: what the patient takes away, and the figures.

use crate::app::App;
use crate::assess::Opened;
use crate::code::{code_of, origin_of};
use crate::form::Form;
use crate::problem::{ApiError, Problem, wording};
use crate::security::token_hash;
use crate::sheets::{Paper, SheetForm, SheetInput};
use crate::turns::Heavy;
use crate::validate::Faults;
use actix_web::http::StatusCode;
use actix_web::web::Bytes;
use actix_web::{HttpRequest, HttpResponse, get, post, web};
use ritorno_core::facts::ClinicDefaults;
use ritorno_core::permission::Action;
use ritorno_core::reason::Reason;
use ritorno_core::safety::resolved_path;
use ritorno_core::snapshot::read_program;
use ritorno_figure::{FigureSpec, figure_svg, looping_figure_svg};
use ritorno_store::episode::Patient;
use ritorno_store::{EpisodeId, PgConnection, StoreError, defaults, home_link, program};
use ritorno_wording::Wording;
use serde::Deserialize;
use sha2::{Digest, Sha256};
use unicode_normalization::UnicodeNormalization;
use uuid::Uuid;

/// What goes home is what was signed: refused when lines or limits have changed since.
pub(crate) fn as_signed(
    conn: &mut PgConnection,
    head: &program::Head,
) -> Result<program::Signed, ApiError> {
    let signed =
        program::last_signed(conn, head.id)?.ok_or(StoreError::NotFound("signed program"))?;
    let (version, body) =
        program::last_snapshot(conn, head.id)?.ok_or(StoreError::NotFound("signed program"))?;
    let kept = read_program(version, body).map_err(|_| StoreError::Unreadable("snapshot"))?;
    if kept.rev != head.rev || program::limits_moved_since(conn, head)? {
        return Err(ApiError::new(StatusCode::CONFLICT, "sheet-stale", &[]));
    }
    Ok(signed)
}

/// How a sheet is wanted.
#[derive(Debug, Clone, Default, Deserialize, utoipa::IntoParams)]
pub(crate) struct Printing {
    /// On the paper of North America instead of A4.
    #[serde(default)]
    letter: bool,
    /// In large print.
    #[serde(default)]
    large: bool,
}

#[utoipa::path(tag = "home", params(Printing), responses((status = 200, body = Vec<u8>, content_type = "application/pdf"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/handout.pdf")]
pub(crate) async fn handout(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    printing: web::Query<Printing>,
) -> Result<HttpResponse, ApiError> {
    printed(&app, &req, EpisodeId(*id), printing.into_inner(), None).await
}

/// The link that goes along with a sheet, as it was shown when it was made.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct SheetLink {
    /// What stands behind the `#` of the address.
    link: String,
}

#[utoipa::path(tag = "home", params(Printing), request_body = SheetLink, responses((status = 200, body = Vec<u8>, content_type = "application/pdf"), (status = "default", body = Problem)))]
#[post("/episodes/{id}/handout.pdf")]
pub(crate) async fn handout_with_link(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    printing: web::Query<Printing>,
    form: Form<SheetLink>,
) -> Result<HttpResponse, ApiError> {
    let link = form.into_inner().link;
    printed(
        &app,
        &req,
        EpisodeId(*id),
        printing.into_inner(),
        Some(link),
    )
    .await
}

/// Sets a sheet, or gives the one that was set from the same lately.
async fn printed(
    app: &App,
    req: &HttpRequest,
    id: EpisodeId,
    printing: Printing,
    link: Option<String>,
) -> Result<HttpResponse, ApiError> {
    let origin = origin_of(req);
    let form = printing.clone();
    let (opened, signed, clinic, code, key) = app
        .view(
            req,
            Action::TakeHome,
            move |state, conn, _| {
                let opened = Opened::read(state, conn, id)?;
                let head = opened.loaded.program.as_ref();
                let head = head.ok_or(StoreError::NotFound("program"))?;
                let signed = as_signed(conn, head)?;
                let (_, clinic) = defaults::newest(conn)?;
                let code = match link {
                    // Only the link that stands for this shoulder goes on its sheet.
                    Some(link) => {
                        let mut faults = Faults::default();
                        let stands = home_link::stands(conn, id, &token_hash(&link))?;
                        faults.known("link", "", stands);
                        faults.check()?;
                        Some(code_of(&format!("{origin}/h#{link}"))?)
                    }
                    None => None,
                };
                Ok((opened, signed, clinic, code))
            },
            move |_, (opened, signed, clinic, code)| {
                // An open flag pauses the program, and with it what goes home.
                let flags = opened.assess()?.ctx().open_flags.to_vec();
                if flags.is_empty() {
                    let key = sheet_key(&opened, &signed, &clinic, (&form, code.as_deref()))?;
                    return Ok((opened, signed, clinic, code, key));
                }
                let reasons = flags
                    .iter()
                    .map(|f| Reason::new("flag-open").with("flag", f.as_str()));
                Err(ApiError::blocked(reasons.collect(), Vec::new()))
            },
        )
        .await?;
    let kept = app.sheets.lock().ok().and_then(|kept| kept.get(&key));
    let pdf = match kept {
        Some(pdf) => pdf,
        None => {
            let paper = app.paper.clone();
            let work = move || {
                let form = SheetForm {
                    letter: printing.letter,
                    large: printing.large,
                    code: code.as_deref(),
                };
                set_sheet(&*paper, &opened, &signed, &clinic, form)
            };
            let pdf = app.turns.heavy(Heavy::Paper, work).await?;
            if let Ok(mut kept) = app.sheets.lock() {
                kept.keep(key, pdf.clone());
            }
            pdf
        }
    };
    Ok(HttpResponse::Ok()
        .content_type("application/pdf")
        .insert_header(("Content-Disposition", "inline; filename=\"program.pdf\""))
        .body(pdf))
}

/// What a sheet is set from: the same facts, knowledge and signature give the same sheet.
fn sheet_key(
    opened: &Opened,
    signed: &program::Signed,
    clinic: &ClinicDefaults,
    (printing, code): (&Printing, Option<&str>),
) -> Result<[u8; 32], ApiError> {
    let facts = serde_json::to_vec(&opened.loaded.facts)
        .map_err(|_| StoreError::Unreadable("facts of a sheet"))?;
    let mut hash = Sha256::new();
    hash.update(facts);
    hash.update(opened.known.sha256.as_bytes());
    hash.update(name_of(&opened.loaded.patient).as_bytes());
    hash.update(format!("{} {}", signed.version, signed.signed_on));
    for said in [&clinic.clinic_name, &clinic.telephone, &clinic.hours] {
        hash.update(format!("{} {said}", said.len()));
    }
    hash.update([u8::from(printing.letter), u8::from(printing.large)]);
    hash.update(code.unwrap_or_default());
    Ok(hash.finalize().into())
}

/// A name as it stands on paper: letters with their marks composed, as fonts hold them.
pub(crate) fn name_of(patient: &Patient) -> String {
    let name = format!("{} {}", patient.given_name, patient.family_name);
    name.nfc().collect()
}

fn set_sheet(
    paper: &dyn Paper,
    opened: &Opened,
    signed: &program::Signed,
    clinic: &ClinicDefaults,
    form: SheetForm,
) -> Result<Bytes, ApiError> {
    let assessment = opened.assess()?;
    let input = SheetInput {
        ctx: &assessment.ctx(),
        facts: &opened.loaded.facts,
        name: &name_of(&opened.loaded.patient),
        version: signed.version,
        signed_on: signed.signed_on,
        clinic,
    };
    paper.set(input, form).map(Bytes::from).map_err(|error| {
        tracing::error!(%error, "handout");
        ApiError::new(StatusCode::INTERNAL_SERVER_ERROR, "internal", &[])
    })
}

#[utoipa::path(tag = "home", params(Drawn), responses((status = 200, body = String, content_type = "image/svg+xml"), (status = "default", body = Problem)))]
#[get("/episodes/{id}/figures/{exercise}")]
pub(crate) async fn figure(
    app: App,
    req: HttpRequest,
    ids: web::Path<(Uuid, String)>,
    drawn: web::Query<Drawn>,
) -> Result<HttpResponse, ApiError> {
    let (id, name) = ids.into_inner();
    let id = EpisodeId(id);
    let svg = app
        .view(
            &req,
            Action::ReadRecord,
            move |state, conn, _| Ok(Opened::read(state, conn, id)?),
            move |_, opened| figure_of(&opened, &name, drawn.draw(), wording()),
        )
        .await?;
    Ok(HttpResponse::Ok()
        .content_type("image/svg+xml")
        .insert_header(("Cache-Control", "private, max-age=300"))
        .body(svg))
}

/// How a drawing is wanted.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct Drawn {
    /// Whether it moves by itself.
    #[serde(default)]
    moving: bool,
}

impl Drawn {
    pub(crate) fn draw(&self) -> fn(&FigureSpec) -> String {
        if self.moving {
            looping_figure_svg
        } else {
            figure_svg
        }
    }
}

/// The drawing of an exercise as far as this shoulder may go today.
pub(crate) fn figure_of(
    opened: &Opened,
    name: &str,
    draw: fn(&FigureSpec) -> String,
    wording: &Wording,
) -> Result<String, ApiError> {
    let (assessment, loaded) = (opened.assess()?, &opened.loaded);
    let exercise = opened
        .known
        .exercises
        .get(name)
        .ok_or(StoreError::NotFound("exercise"))?;
    let path = resolved_path(&assessment.ctx(), exercise, loaded.facts.day());
    let limited = path.keys.last() != exercise.path().keys.last();
    let title = wording.say(&format!("ex-{}", exercise.id), &[]);
    Ok(draw(&FigureSpec {
        exercise,
        path,
        arm: loaded.facts.story.side,
        limited,
        title: &title,
    }))
}
