//! What can be chosen for a shoulder: pathway, modifiers, schools; and whether a story makes sense.

use crate::app::AppState;
use crate::problem::ApiError;
use crate::validate::Faults;
use chrono::{Months, NaiveDate};
use ritorno_core::confidence::Confidence;
use ritorno_core::facts::{Start, Story};
use ritorno_core::knowledge::{HealingClock, Knowledge, Pathway, School};
use ritorno_core::rules::Rules;
use ritorno_store::PgConnection;
use ritorno_wording::Value;
use serde::Serialize;

/// A pathway to choose.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct PathwayChoice {
    id: String,
    /// What a clinic's own is called.
    title: Option<String>,
    clock: HealingClock,
}

/// A question on which practitioners disagree.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Question {
    id: String,
    /// The school that holds.
    holds: String,
    schools: Vec<SchoolChoice>,
}

/// One school.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct SchoolChoice {
    id: String,
    /// The key of its reason.
    why: String,
    default: bool,
    source: String,
    confidence: Confidence,
}

/// The pathways that can be chosen: what ships, and the clinic's own that are in force.
pub(crate) fn pathway_choices(
    state: &AppState,
    conn: &mut PgConnection,
) -> Result<Vec<PathwayChoice>, ApiError> {
    let retired: Vec<String> = ritorno_store::pathway::newest(conn)?
        .into_iter()
        .filter(|p| p.state == "retired")
        .map(|p| p.name)
        .collect();
    let known = state.current(conn)?;
    let open = known.pathways.values().filter(|p| !retired.contains(&p.id));
    Ok(open
        .map(|p| PathwayChoice {
            id: p.id.clone(),
            title: p.title.clone(),
            clock: p.clock,
        })
        .collect())
}

/// A story that begins now began not too long ago; one that is on record may be edited for ever.
pub(crate) fn check_beginning(
    state: &AppState,
    story: &Story,
    birth: NaiveDate,
    faults: &mut Faults,
) {
    const YEARS: u32 = 2;
    let late = story.day0.checked_add_months(Months::new(12 * YEARS));
    if story.day0 >= birth && late.is_some_and(|late| late < state.today.date()) {
        let years = Value::Number(f64::from(YEARS));
        faults.push("story.day0", "too-old", &[("years", years)]);
    }
}

pub(crate) fn check_story(
    state: &AppState,
    known: &Knowledge,
    story: &Story,
    birth: NaiveDate,
    faults: &mut Faults,
) {
    let today = state.today.date();
    faults.date("story.day0", story.day0, today);
    if story.day0 < birth {
        faults.push(
            "story.day0",
            "before-birth",
            &[("birth", Value::Text(&birth.to_string()))],
        );
    }
    faults.known(
        "story.pathway",
        &story.pathway,
        known.pathways.contains_key(&story.pathway),
    );
    // A pathway with a surgical clock belongs to an operation, and to nothing else.
    if let Some(pathway) = known.pathways.get(&story.pathway) {
        let fits = match pathway.clock {
            HealingClock::Operation => story.start == Start::Surgery,
            HealingClock::Dislocation | HealingClock::Fracture | HealingClock::Sprain => {
                story.start == Start::Injury
            }
            HealingClock::None => story.start != Start::Surgery,
        };
        if !fits {
            faults.push("story.pathway", "pathway-and-start", &[]);
        }
        check_choices(known, pathway, story, faults);
    }
    faults.text("story.mechanism", &story.mechanism, 500, false);
    faults.text("story.work", &story.work, 200, false);
    faults.text("story.note", &story.note, 4000, false);
    for (field, words) in [
        ("story.flag_words", &story.flag_words),
        ("story.complaint_words", &story.complaint_words),
        ("story.health_words", &story.health_words),
    ] {
        faults.text(field, words, 500, false);
    }
    if let Some(clearance) = &story.clearance {
        faults.text("story.clearance.role", &clearance.role, 80, true);
        faults.event_date("story.clearance.on", clearance.on, story.day0, today);
    }
    if let Some(mass) = story.mass_kg {
        faults.bound(known, "story.mass_kg", "mass_kg", mass);
    }
    if let Some(height) = story.height_cm {
        faults.bound(known, "story.height_cm", "height_cm", height);
    }
    for item in &story.health {
        faults.known(
            "story.health",
            item,
            known.health.iter().any(|h| &h.id == item),
        );
    }
    for item in &story.kit {
        faults.known(
            "story.kit",
            item,
            known.exercises.values().any(|e| e.kit.contains(item)),
        );
    }
    for (i, task) in story.tasks.iter().enumerate() {
        faults.text(&format!("story.tasks[{i}].label"), &task.label, 120, true);
        faults.bound(
            known,
            &format!("story.tasks[{i}].score"),
            "task_score",
            f64::from(task.score),
        );
        if let Some(asks) = &task.asks {
            faults.known(
                &format!("story.tasks[{i}].asks"),
                asks,
                goals(known).any(|id| id == asks),
            );
        }
    }
}

/// Kinds of movement that a task may ask for.
pub(crate) fn goals(known: &Knowledge) -> impl Iterator<Item = &str> {
    known
        .needs
        .iter()
        .map(|n| n.id.as_str())
        .filter(|id| id.starts_with("goal-"))
}

/// Modifiers and schools must belong to the pathway.
pub(crate) fn check_choices(
    known: &Knowledge,
    pathway: &Pathway,
    story: &Story,
    faults: &mut Faults,
) {
    for id in &story.modifiers {
        let fits = known
            .modifiers
            .iter()
            .any(|m| &m.id == id && m.pathways.iter().any(|p| p == pathway.column()));
        faults.known("story.modifiers", id, fits);
    }
    for (question, school) in &story.schools {
        let fits = pathway
            .schools
            .iter()
            .chain(&known.schools)
            .any(|s| &s.question == question && &s.id == school);
        faults.known(&format!("story.schools.{question}"), school, fits);
    }
    if let Some(minutes) = story.minutes_per_day {
        faults.bound(
            known,
            "story.minutes_per_day",
            "minutes_per_day",
            f64::from(minutes),
        );
    }
    if let Some(kg) = story.job_load_kg {
        faults.bound(known, "story.job_load_kg", "job_load_kg", kg);
    }
    if let Some(hours) = story.job_overhead_h {
        faults.bound(known, "story.job_overhead_h", "job_overhead_h", hours);
    }
    if let Some(slips) = story.slips_per_week {
        faults.bound(
            known,
            "story.slips_per_week",
            "slips_per_week",
            f64::from(slips),
        );
    }
}

/// The questions among some schools, each with the one that holds unless another is chosen.
pub(crate) fn questions_among(schools: &[School], of: Option<&str>) -> Vec<Question> {
    let mut out: Vec<Question> = Vec::new();
    for school in schools {
        let choice = choice(school, of);
        let at = out.iter().position(|q| q.id == school.question);
        let place = at.unwrap_or_else(|| {
            out.push(Question {
                id: school.question.clone(),
                holds: String::new(),
                schools: Vec::new(),
            });
            out.len() - 1
        });
        if choice.default {
            out[place].holds.clone_from(&choice.id);
        }
        out[place].schools.push(choice);
    }
    out
}

fn choice(school: &School, of: Option<&str>) -> SchoolChoice {
    SchoolChoice {
        id: school.id.clone(),
        why: school.reason_key(of),
        default: school.default,
        source: school.source.clone(),
        confidence: school.confidence,
    }
}

/// The questions on which practitioners disagree about a pathway, with what holds.
pub(crate) fn questions(known: &Knowledge, pathway: &Pathway, rules: &Rules) -> Vec<Question> {
    let own = pathway.schools.iter().map(|s| (s, Some(pathway.column())));
    let shared = known.schools.iter().map(|s| (s, None));
    let all: Vec<(&School, Option<&str>)> = own.chain(shared).collect();
    rules
        .schools
        .iter()
        .map(|(question, holds)| Question {
            id: question.clone(),
            holds: holds.clone(),
            schools: all
                .iter()
                .filter(|(s, _)| &s.question == question)
                .map(|(s, of)| choice(s, *of))
                .collect(),
        })
        .collect()
}
