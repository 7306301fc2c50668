//! The page, and editing the story.

use crate::app::{App, AppState};
use crate::assess::assess;
use crate::choices::{PathwayChoice, Question, check_story, goals, pathway_choices, questions};
use crate::command::Of;
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::patients::{PatientHead, head};
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, put, web};
use ritorno_core::calendar::Clock;
use ritorno_core::facts::{ExamFact, ExamNote, Story, SurgeonLimit};
use ritorno_core::flags::FlagView;
use ritorno_core::permission::Action;
use ritorno_core::ranges::{Dial, dials};
use ritorno_core::rules::Spoken;
use ritorno_store::episode::Loaded;
use ritorno_store::{EpisodeId, PgConnection, defaults, episode};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Where each station stands: empty, under way, done, due again.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Stations {
    story: &'static str,
    ranges: &'static str,
    examine: &'static str,
    read: &'static str,
    program: &'static str,
    home: &'static str,
}

/// The story with what belongs to it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct StoryPage {
    head: PatientHead,
    clock: Clock,
    /// How this shoulder is spoken of to its owner.
    spoken: Spoken,
    rev: i32,
    story: Story,
    flags: Vec<FlagView>,
    limits: Vec<SurgeonLimit>,
    /// Quantities a limit can be written for, with today's ceilings.
    dials: Vec<Dial>,
    /// General health to choose from, with what each changes.
    health: Vec<HealthChoice>,
    /// Injections with their dates, oldest first.
    injections: Vec<ExamNote>,
    /// What imaging or an operation has shown or excluded, oldest first.
    imaging: Vec<ExamNote>,
    /// Ids of kit to choose from.
    kit: Vec<String>,
    /// Kinds of movement a task may ask for.
    goals: Vec<String>,
    /// Pathways to choose from.
    pathways: Vec<PathwayChoice>,
    /// Modifiers that go with the pathway.
    modifiers: Vec<String>,
    /// Where practitioners disagree about it.
    questions: Vec<Question>,
    stations: Stations,
}

/// General health that changes the plan, and how.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct HealthChoice {
    id: String,
    /// Weeks by which strength work comes later.
    strength_delay_weeks: i32,
    /// Days after which a range is due again, when sooner than usual.
    max_age_days: Option<i32>,
    /// An arm that does not turn out is a flag here without an injury too.
    locked_arm: bool,
    /// New doses start low.
    starts_low: bool,
    /// Quick work needs a reason.
    quick_caution: bool,
    /// It says what attitudes this person cannot get into.
    keeps_from: bool,
}

/// An edit of a story.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct StoryEdit {
    rev: i32,
    story: Story,
}

pub(crate) fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<StoryPage, ApiError> {
    let release = state.knowledge_of(conn, &loaded)?;
    let known = &release;
    let facts = &loaded.facts;
    let assessment = assess(known, facts)?;
    let all = dials(&assessment.ctx(), facts);
    let pathway = known.pathways.get(&facts.story.pathway);
    let mut kit: Vec<String> = known
        .exercises
        .values()
        .flat_map(|e| e.kit.clone())
        .collect();
    kit.sort();
    kit.dedup();
    let signed = match &loaded.program {
        Some(program) => ritorno_store::program::last_signed(conn, program.id)?.is_some(),
        None => false,
    };
    let asked = assessment
        .flags
        .iter()
        .all(|f| f.state != ritorno_core::flags::FlagState::NotAsked);
    let open = assessment.flags.iter().any(FlagView::open);
    let examined_today = facts.findings.iter().any(|f| f.on == facts.today)
        || facts.measurements.iter().any(|r| r.on == facts.today);
    let anything = !facts.findings.is_empty() || !facts.measurements.is_empty();
    let stations = Stations {
        examine: match (anything, examined_today) {
            (false, _) => "empty",
            (true, false) => "due",
            (true, true) => "under-way",
        },
        read: if anything { "done" } else { "empty" },
        story: if open {
            "due"
        } else if asked && (assessment.ctx().cleared) {
            "done"
        } else {
            "under-way"
        },
        ranges: if facts.measurements.is_empty() {
            "empty"
        } else if all.iter().any(|d| d.due) {
            "due"
        } else {
            "done"
        },
        program: if signed {
            "done"
        } else if loaded.program.is_some() {
            "under-way"
        } else {
            "empty"
        },
        home: if signed { "done" } else { "empty" },
    };
    let noted = |is: fn(&ExamFact) -> bool| -> Vec<ExamNote> {
        let all = facts.exam_notes.iter().filter(|n| is(&n.fact));
        all.cloned().collect()
    };
    Ok(StoryPage {
        head: head(conn, &loaded.patient, loaded.episode)?,
        clock: Clock::at(facts.day()),
        spoken: assessment.ctx().rules.spoken(facts.day()),
        rev: loaded.rev,
        story: facts.story.clone(),
        flags: assessment.flags.clone(),
        limits: facts.limits.clone(),
        dials: all,
        health: known
            .health
            .iter()
            .map(|h| HealthChoice {
                id: h.id.clone(),
                strength_delay_weeks: h.strength_delay_weeks,
                max_age_days: h.max_age_days,
                locked_arm: h.locked_arm,
                starts_low: h.starts_low,
                quick_caution: h.quick_caution,
                keeps_from: !h.keeps_from.is_empty(),
            })
            .collect(),
        injections: noted(|fact| matches!(fact, ExamFact::Injection { .. })),
        imaging: noted(|fact| matches!(fact, ExamFact::Known { .. })),
        kit,
        goals: goals(known).map(str::to_owned).collect(),
        pathways: pathway_choices(state, conn)?,
        modifiers: pathway
            .map(|p| {
                known
                    .modifiers
                    .iter()
                    .filter(|m| m.pathways.iter().any(|x| x == p.column()))
                    .map(|m| m.id.clone())
                    .collect()
            })
            .unwrap_or_default(),
        questions: pathway
            .map(|p| questions(known, p, &assessment.rules))
            .unwrap_or_default(),
        stations,
    })
}

#[utoipa::path(tag = "story", responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/story")]
pub(crate) async fn show_story(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let loaded = episode::load(conn, id, state.today.date())?;
        Ok(web::Json(page(state, conn, loaded)?))
    })
    .await
}

#[utoipa::path(tag = "story", request_body = StoryEdit, responses((status = 200, body = StoryPage), (status = "default", body = Problem)))]
#[put("/episodes/{id}/story")]
pub(crate) async fn edit(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<StoryEdit>,
) -> Result<web::Json<StoryPage>, ApiError> {
    let id = EpisodeId(*id);
    let mut form = form.into_inner();
    app.command(
        &req,
        Action::EditStory,
        "edit-story",
        Of::Episode(id),
        move |state, conn, _| {
            let before = episode::load(conn, id, state.today.date())?;
            let birth = before.patient.birth;
            if form.story.pathway != before.facts.story.pathway {
                // Another pathway asks other questions: it begins with the clinic's answers, as a new story does.
                let (_, set) = defaults::newest(conn)?;
                set.follow(&*state.current(conn)?, &mut form.story);
            }
            let mut faults = Faults::default();
            check_story(
                state,
                &*state.current(conn)?,
                &form.story,
                birth,
                &mut faults,
            );
            faults.check()?;
            let today = state.today.date();
            episode::update_story(conn, id, form.rev, &form.story, today)?;
            let loaded = refresh_lane(state, conn, id)?;
            Ok(web::Json(page(state, conn, loaded)?))
        },
    )
    .await
}
