//! Program: build, check while editing, save, sign.

use crate::app::{App, AppState, Of};
use crate::assess::{NO_PATHWAY, Opened, assess, still_open};
use crate::form::Form;
use crate::lanes::refresh_lane;
use crate::problem::{ApiError, Problem};
use crate::validate::Faults;
use actix_web::{HttpRequest, get, post, put, web};
use chrono::NaiveDate;
use ritorno_core::assessment::Assessment;
use ritorno_core::deciding::{Change, asks_more, decide};
use ritorno_core::facts::{Facts, Line};
use ritorno_core::force::pull_of_dose;
use ritorno_core::knowledge::{Dose, Knowledge, Purpose};
use ritorno_core::permission::Action;
use ritorno_core::plan::{
    LaterItem, LineWhy, MovedUp, PlanChart, PlanDifference, Proposal, Variant, WhatIf, plan_chart,
    volume, what_if,
};
use ritorno_core::reading::pathway_challenge;
use ritorno_core::reason::Reason;
use ritorno_core::safety::{Status, Verdict, check_exercise, check_line, running_lines};
use ritorno_core::snapshot::{ProgramV1, read_program};
use ritorno_core::visit::untried;
use ritorno_store::episode::Loaded;
use ritorno_store::user::User;
use ritorno_store::{EpisodeId, PgConnection, StoreError, episode, knowledge, program};
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// An exercise that could be added, with what the check says for today.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Candidate {
    exercise: String,
    purpose: Purpose,
    ladder: String,
    rung: u32,
    opens_phase: Option<u32>,
    dose: Dose,
    today: Verdict,
}

/// The last signed version.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SignedInfo {
    version: i32,
    on: NaiveDate,
    /// False when the program has been edited since, or was signed with other knowledge.
    current: bool,
}

/// The program with its plan chart.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ProgramPage {
    rev: i32,
    /// The chosen pathway.
    pathway: String,
    /// Why the chosen pathway is challenged; nothing is built or saved until somebody says why it is kept.
    challenge: Option<Reason>,
    /// The first letters of the knowledge release it was built with.
    knowledge: Option<String>,
    signed: Option<SignedInfo>,
    chart: PlanChart,
    /// Ids of the lines that run today: never one that waits for a gate or is blocked.
    running: Vec<Uuid>,
    /// Exercises that run today and were never tried out in the room.
    untried: Vec<String>,
    candidates: Vec<Candidate>,
}

/// A proposal, not saved.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct ProposalPage {
    chart: PlanChart,
    later: Vec<LaterItem>,
    first: Vec<MovedUp>,
    /// Why each ladder stands there.
    why: Vec<LineWhy>,
    /// What it changes against the present program.
    difference: Vec<PlanDifference>,
    /// How far the choice may lie below the best, as a share.
    gap: f64,
}

/// Lines to check or to save.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct ProgramEdit {
    rev: i32,
    lines: Vec<Line>,
}

/// The revision that is signed.
#[derive(Deserialize, utoipa::ToSchema)]
pub(crate) struct Signing {
    rev: i32,
}

fn assessed<'a>(known: &'a Knowledge, facts: &'a Facts) -> Result<Assessment<'a>, ApiError> {
    Ok(assess(known, facts)?)
}

/// What the page shows beside what follows from the facts.
struct Gathered {
    opened: Opened,
    signed: Option<SignedInfo>,
}

fn gather(state: &AppState, conn: &mut PgConnection, loaded: Loaded) -> Result<Gathered, ApiError> {
    let signed = match &loaded.program {
        None => None,
        Some(head) => match (
            program::last_snapshot(conn, head.id)?,
            program::last_signed(conn, head.id)?,
        ) {
            (Some((version, body)), Some(last)) => {
                let kept =
                    read_program(version, body).map_err(|_| StoreError::Unreadable("snapshot"))?;
                Some(SignedInfo {
                    version: last.version,
                    on: last.signed_on,
                    current: kept.rev == head.rev,
                })
            }
            _ => None,
        },
    };
    let opened = Opened::of(state, conn, loaded)?;
    Ok(Gathered { opened, signed })
}

/// The page after a write.
fn page(
    state: &AppState,
    conn: &mut PgConnection,
    loaded: Loaded,
) -> Result<web::Json<ProgramPage>, ApiError> {
    show(gather(state, conn, loaded)?)
}

fn show(gathered: Gathered) -> Result<web::Json<ProgramPage>, ApiError> {
    let Gathered { opened, signed } = gathered;
    let (known, loaded) = (&opened.known, &opened.loaded);
    let assessment = opened.assess()?;
    let ctx = assessment.ctx();
    let candidates = known
        .exercises
        .values()
        .filter(|e| ctx.rules.opening_phase(&e.id).is_some())
        .map(|e| Candidate {
            exercise: e.id.clone(),
            purpose: e.purpose,
            ladder: e.ladder.clone(),
            rung: e.rung,
            opens_phase: ctx.rules.opening_phase(&e.id).map(|p| p.number),
            dose: e.dose,
            today: check_exercise(&ctx, e, &e.dose, ctx.today),
        })
        .collect();
    Ok(web::Json(ProgramPage {
        rev: loaded.program.as_ref().map_or(0, |p| p.rev),
        pathway: loaded.facts.story.pathway.clone(),
        challenge: pathway_challenge(&ctx, &loaded.facts),
        knowledge: loaded
            .program
            .as_ref()
            .map(|p| p.knowledge_sha256.chars().take(8).collect()),
        signed,
        chart: plan_chart(&ctx, &loaded.facts),
        running: running_lines(&ctx, &loaded.facts, ctx.today)
            .into_iter()
            .map(|l| l.id)
            .collect(),
        untried: untried(&ctx, &loaded.facts),
        candidates,
    }))
}

#[utoipa::path(tag = "program", responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[get("/episodes/{id}/program")]
pub(crate) async fn program_page(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    app.view(
        &req,
        Action::ReadRecord,
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            gather(state, conn, loaded)
        },
        |_, gathered| show(gathered),
    )
    .await
}

/// What kind of proposal is wanted.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct BuildWish {
    /// A short one: few exercises in few minutes, for somebody who does little.
    #[serde(default)]
    short: bool,
}

#[utoipa::path(tag = "program", params(BuildWish), responses((status = 200, body = ProposalPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/build")]
pub(crate) async fn build_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    wish: web::Query<BuildWish>,
) -> Result<web::Json<ProposalPage>, ApiError> {
    let id = EpisodeId(*id);
    let show = move |_: &AppState, opened: Opened| {
        let Opened { mut loaded, known } = opened;
        let Proposal {
            lines,
            later,
            first,
            why,
            difference,
            gap,
        } = {
            let assessment = assessed(&known, &loaded.facts)?;
            may_build(&assessment)?;
            if wish.short {
                assessment.propose_short(loaded.episode.0)
            } else {
                assessment.propose(loaded.episode.0)
            }
        };
        loaded.facts.lines = lines;
        let assessment = assessed(&known, &loaded.facts)?;
        Ok(web::Json(ProposalPage {
            chart: plan_chart(&assessment.ctx(), &loaded.facts),
            later,
            first,
            why,
            difference,
            gap,
        }))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        still_open(&loaded)?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::EditProgram, read, show).await
}

/// Red flags, the surgeon's go-ahead and five minutes a day outrank every proposal.
fn may_build(assessment: &Assessment) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    if let Some(challenge) = pathway_challenge(&ctx, assessment.facts) {
        return Err(ApiError::blocked(vec![challenge], Vec::new()));
    }
    if ctx.open_flags.is_empty() && ctx.flags_not_asked == 0 && ctx.cleared {
        return Ok(());
    }
    // The check says the same of every exercise; one of them is enough to name the rules.
    let rules = ctx
        .known
        .exercises
        .get("assisted-elevation-lying-other-hand")
        .map(|e| check_exercise(&ctx, e, &e.dose, ctx.today).findings)
        .unwrap_or_default();
    let kept = rules.into_iter().filter(|f| {
        matches!(
            f.reason.rule.as_str(),
            "flag-open" | "flags-not-asked" | "no-clearance"
        )
    });
    Err(ApiError::blocked(
        kept.map(|f| f.reason).collect(),
        Vec::new(),
    ))
}

#[utoipa::path(tag = "program", request_body = Variant, responses((status = 200, body = WhatIf), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/what-if")]
pub(crate) async fn what_if_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Variant>,
) -> Result<web::Json<WhatIf>, ApiError> {
    let id = EpisodeId(*id);
    let variant = form.into_inner();
    let id = id;
    let show = move |_: &AppState, opened: Opened| {
        let Opened { loaded, known } = opened;
        may_build(&assessed(&known, &loaded.facts)?)?;
        let mut faults = Faults::default();
        if let Some(days) = variant.missed_days {
            faults.bound(&known, "missed_days", "missed_days", f64::from(days));
        }
        if let Some(minutes) = variant.minutes_per_day {
            faults.bound(
                &known,
                "minutes_per_day",
                "minutes_per_day",
                f64::from(minutes),
            );
        }
        for limit in &variant.limits {
            match known.quantity(&limit.quantity) {
                Some(q) => {
                    faults.within("limits.ceiling", limit.ceiling, q.min, q.max);
                    if let Some(until) = limit.until_day {
                        let until = f64::from(until);
                        faults.bound(&known, "limits.until_day", "until_day", until);
                    }
                }
                None => faults.known("limits.quantity", &limit.quantity, false),
            }
        }
        let mut story = loaded.facts.story.clone();
        story.schools.clone_from(&variant.schools);
        story.modifiers.clone_from(&variant.modifiers);
        if let Some(pathway) = known.pathways.get(&story.pathway) {
            crate::choices::check_choices(&known, pathway, &story, &mut faults);
        }
        faults.check()?;
        let both = what_if(&known, &loaded.facts, &variant, id.0).ok_or(NO_PATHWAY)?;
        Ok(web::Json(both))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::EditProgram, read, show).await
}

#[utoipa::path(tag = "program", request_body = ProgramEdit, responses((status = 200, body = PlanChart), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/check")]
pub(crate) async fn check_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ProgramEdit>,
) -> Result<web::Json<PlanChart>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    let show = move |_: &AppState, opened: Opened| {
        let Opened { mut loaded, known } = opened;
        lines_in_bounds(&known, &form.lines)?;
        loaded.facts.lines = form.lines;
        let assessment = assessed(&known, &loaded.facts)?;
        Ok(web::Json(plan_chart(&assessment.ctx(), &loaded.facts)))
    };
    let read = move |state: &AppState, conn: &mut PgConnection, _: &User| {
        let loaded = episode::load(conn, id, state.today.date())?;
        let known = state.current(conn)?;
        Ok(Opened { loaded, known })
    };
    app.view(&req, Action::ReadRecord, read, show).await
}

#[utoipa::path(tag = "program", request_body = ProgramEdit, responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[put("/episodes/{id}/program")]
pub(crate) async fn save_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<ProgramEdit>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::EditProgram,
        "save-program",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            still_open(&loaded)?;
            let known = state.current(conn)?;
            let assessment = assessed(&known, &loaded.facts)?;
            let lines = with_pull(&known, &loaded.facts, form.lines);
            // What runs may be changed to less while the pathway is in doubt; nothing is built on it.
            let fresh = |l: &Line| loaded.facts.lines.iter().all(|o| o.exercise != l.exercise);
            if lines.iter().any(fresh)
                && let Some(challenge) = pathway_challenge(&assessment.ctx(), &loaded.facts)
            {
                return Err(ApiError::blocked(vec![challenge], Vec::new()));
            }
            check_lines(&assessment, &lines)?;
            never_more(&assessment, &lines)?;
            within_budget(&assessment, &loaded.facts, &lines)?;
            knowledge::keep(conn, &known.sha256, &known.canonical)?;
            program::save(conn, id, form.rev, &known.sha256, &lines)?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}

/// The lines with the pull of their bands in newtons, by this clinic's own elastics: distance and force belong together.
pub(crate) fn with_pull(known: &Knowledge, facts: &Facts, lines: Vec<Line>) -> Vec<Line> {
    let pulled = |mut line: Line| {
        // A line as it stands keeps what was worked out when it was made.
        if let Some(exercise) = known.exercises.get(&line.exercise)
            && line.dose.elastic_level.is_some()
            && !facts.lines.contains(&line)
        {
            line.dose.force_n = pull_of_dose(known, facts, exercise, &line.dose);
        }
        line
    };
    lines.into_iter().map(pulled).collect()
}

/// Refuses a line that asks more than it did while a stop, a step back or too much is told of it.
fn never_more(assessment: &Assessment, lines: &[Line]) -> Result<(), ApiError> {
    let (ctx, facts) = (assessment.ctx(), assessment.facts);
    let (mut faults, mut reasons) = (Faults::default(), Vec::new());
    for proposal in decide(&ctx, facts).into_iter().filter(|d| d.forbids_more()) {
        let Some(old) = facts.lines.iter().find(|l| l.id == proposal.line) else {
            continue;
        };
        let ladder = |l: &Line| ctx.known.exercises.get(&l.exercise).map(|e| &e.ladder);
        let now = |l: &&(usize, &Line)| {
            ladder(l.1) == ladder(old)
                && !facts.lines.contains(l.1)
                && (l.1.from_day..l.1.to_day).contains(&ctx.today)
        };
        let all: Vec<(usize, &Line)> = lines.iter().enumerate().collect();
        for (i, line) in all.iter().filter(now) {
            let change = Change::Exercise {
                exercise: line.exercise.clone(),
                dose: line.dose,
            };
            if asks_more(ctx.known, old, &change) {
                faults.push(&format!("lines[{i}].dose"), "never-more", &[]);
                reasons.push(proposal.rule.clone());
            }
        }
    }
    let fields = faults.into_fields();
    if fields.is_empty() {
        Ok(())
    } else {
        Err(ApiError::blocked(reasons, fields))
    }
}

/// Numbers that anything may compute with, and no more lines than a page holds.
fn lines_in_bounds(known: &Knowledge, lines: &[Line]) -> Result<(), ApiError> {
    let mut faults = Faults::default();
    faults.within("lines", lines.len() as f64, 0.0, 200.0);
    for (i, line) in lines.iter().take(200).enumerate() {
        faults.line(known, &format!("lines[{i}]"), line);
    }
    faults.check()
}

/// Refuses lines that take more minutes of today than there are, of a session or of the day, where that is more than before.
///
/// Both shoulders of a person share the minutes of one day.
pub(crate) fn within_budget(
    assessment: &Assessment,
    facts: &Facts,
    lines: &[Line],
) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    let of = |lines: &[Line]| {
        let with = Facts {
            lines: lines.to_vec(),
            ..facts.clone()
        };
        let runs = running_lines(&ctx, &with, ctx.today);
        let total = volume(&ctx, &runs, None);
        (total.session_minutes, total.day_minutes)
    };
    let (before, after) = (of(&facts.lines), of(lines));
    let mut faults = Faults::default();
    let mut hold = |field: &str, most: Option<f64>, before: f64, after: f64| {
        if let Some(most) = most.filter(|most| after > most + 0.5 && after > before + 0.01) {
            let args = [
                ("given", ritorno_wording::Value::Number(after.round())),
                ("max", ritorno_wording::Value::Number(most)),
            ];
            faults.push(field, "over-minutes", &args);
        }
    };
    let session = assessment.rules.phase(ctx.phase).map(|p| p.max_minutes);
    hold("session_minutes", session, before.0, after.0);
    hold("day_minutes", facts.minutes_left(), before.1, after.1);
    faults.check()
}

/// Refuses what the safety check blocks, and cautions that nobody gave a reason for.
///
/// Lines that ended before today are history and are not judged again.
pub(crate) fn check_lines(assessment: &Assessment, lines: &[Line]) -> Result<(), ApiError> {
    let ctx = assessment.ctx();
    lines_in_bounds(ctx.known, lines)?;
    let (mut faults, mut reasons) = (Faults::default(), Vec::new());
    for (i, line) in lines.iter().enumerate() {
        let verdict = check_line(&ctx, line);
        match verdict.status {
            Status::Allowed => {}
            // What ran before a breach waits; it need not be taken out to change something else.
            Status::Blocked
                if assessment.facts.lines.contains(line)
                    && verdict
                        .findings
                        .iter()
                        .all(|f| f.status != Status::Blocked || f.reason.rule == "breach-open") => {
            }
            Status::Blocked => {
                faults.push(&format!("lines[{i}]"), "blocked", &[]);
                reasons.extend(
                    verdict
                        .findings
                        .into_iter()
                        .filter(|f| f.status == Status::Blocked)
                        .map(|f| f.reason),
                );
            }
            Status::Caution
                if line
                    .override_reason
                    .as_deref()
                    .unwrap_or("")
                    .trim()
                    .is_empty() =>
            {
                faults.push(
                    &format!("lines[{i}].override_reason"),
                    "needs-override",
                    &[],
                );
                reasons.extend(verdict.findings.into_iter().map(|f| f.reason));
            }
            Status::Caution => {}
        }
    }
    let fields = faults.into_fields();
    if fields.is_empty() {
        Ok(())
    } else {
        Err(ApiError::blocked(reasons, fields))
    }
}

#[utoipa::path(tag = "program", request_body = Signing, responses((status = 200, body = ProgramPage), (status = "default", body = Problem)))]
#[post("/episodes/{id}/program/sign")]
pub(crate) async fn sign_program(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    form: Form<Signing>,
) -> Result<web::Json<ProgramPage>, ApiError> {
    let id = EpisodeId(*id);
    let form = form.into_inner();
    app.command(
        &req,
        Action::Sign,
        "sign-program",
        Of::Episode(id),
        move |state, conn, _| {
            let loaded = episode::load(conn, id, state.today.date())?;
            still_open(&loaded)?;
            let known = state.knowledge_of(conn, &loaded)?;
            let assessment = assessed(&known, &loaded.facts)?;
            check_lines(&assessment, &loaded.facts.lines)?;
            // What is signed is resolved: ceilings, gates and verdicts as they stand, not only the lines.
            let signed = ProgramV1::of(
                form.rev,
                loaded.rev,
                &loaded.facts.story.pathway,
                &loaded.facts.limits,
                &plan_chart(&assessment.ctx(), &loaded.facts),
            );
            program::sign(conn, id, &signed, state.today.date())?;
            let loaded = refresh_lane(state, conn, id)?;
            page(state, conn, loaded)
        },
    )
    .await
}
