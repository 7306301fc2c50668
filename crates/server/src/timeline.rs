//! The timeline of a patient: everything that happened, the newest first, with author and time. Nothing signed is ever unreadable.

use crate::app::App;
use crate::problem::{ApiError, Problem};
use actix_web::{HttpRequest, get, web};
use chrono::{DateTime, NaiveDate, Utc};
use ritorno_core::permission::Action;
use ritorno_core::reason::Reason;
use ritorno_store::event;
use ritorno_store::{EpisodeId, PatientId};
use serde::{Deserialize, Serialize};
use serde_json::Value;
use uuid::Uuid;

/// Characters that are looked for.
const LONGEST_SEARCH: usize = 80;
/// Events on one page.
const PAGE: i64 = 60;

/// One event.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct TimelineEntry {
    /// The order in which it became known.
    seq: i64,
    id: Uuid,
    #[schema(value_type = Option<Uuid>)]
    episode: Option<EpisodeId>,
    /// What kind.
    kind: String,
    /// When it is true.
    on: NaiveDate,
    /// When it was entered.
    at: DateTime<Utc>,
    /// The clinic's day of that moment.
    entered_on: NaiveDate,
    /// By whom; nobody where a rule spoke, or the patient from home.
    by: Option<String>,
    /// Whether the patient told it from home.
    from_home: bool,
    /// Entered on a later day than the one it speaks about.
    late: bool,
    /// What it says, in one sentence.
    says: Reason,
    /// What was written, whole.
    words: Vec<Words>,
    /// What became of it, by later events.
    later: Vec<Later>,
    /// Whether it was taken back.
    taken_back: bool,
}

/// A passage of an event.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Words {
    /// What it is, a wording key: `note`, `remark`, `reason` …
    label: String,
    text: String,
}

/// What a later event did.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct Later {
    /// Its number.
    seq: i64,
    /// `closes`, `ends`, `takes_back`, `resumes`, `acts_on`.
    role: String,
}

/// A page of it.
#[derive(Serialize, utoipa::ToSchema)]
pub(crate) struct TimelinePage {
    name: String,
    entries: Vec<TimelineEntry>,
    /// Ask for what lies before this number; nothing when this was all.
    before: Option<i64>,
}

/// Where to go on.
#[derive(Deserialize, utoipa::IntoParams)]
pub(crate) struct From {
    /// Only what lies before this number.
    before: Option<i64>,
    /// Only these kinds, with commas between them.
    #[serde(default)]
    kinds: String,
    /// Only where these words stand.
    #[serde(default)]
    search: String,
}

#[utoipa::path(tag = "record", params(From), responses((status = 200, body = TimelinePage), (status = "default", body = Problem)))]
#[get("/patients/{id}/timeline")]
pub(crate) async fn show_timeline(
    app: App,
    req: HttpRequest,
    id: web::Path<Uuid>,
    from: web::Query<From>,
) -> Result<web::Json<TimelinePage>, ApiError> {
    let id = PatientId(*id);
    let from = from.into_inner();
    let kinds = from.kinds.split(',').filter(|kind| !kind.is_empty());
    let wanted = event::Wanted {
        kinds: kinds.map(str::to_owned).collect(),
        search: from.search.chars().take(LONGEST_SEARCH).collect(),
        before: from.before,
        limit: PAGE + 1,
    };
    app.read(&req, Action::ReadRecord, move |state, conn, _| {
        let person = ritorno_store::episode::person(conn, id)?;
        let mut told = event::timeline(conn, id, &wanted)?;
        let more = told.len() > PAGE as usize;
        told.truncate(PAGE as usize);
        Ok(web::Json(TimelinePage {
            name: format!("{} {}", person.given_name, person.family_name),
            before: told.last().filter(|_| more).map(|t| t.seq),
            entries: told
                .into_iter()
                .map(|t| entry(t, |at| state.today.day_of(at)))
                .collect(),
        }))
    })
    .await
}

/// Fields that hold words, with the label each is shown under.
const WORDS: [(&str, &str); 12] = [
    ("note", "note"),
    ("mechanism", "mechanism"),
    ("work", "work"),
    ("flag_words", "flag-words"),
    ("complaint_words", "complaint-words"),
    ("health_words", "health-words"),
    ("remark", "remark"),
    ("reason", "reason"),
    ("words", "words"),
    ("resumes", "resumes"),
    ("body", "note"),
    ("rule_words", "reason"),
];

fn entry(told: event::Told, day_of: impl Fn(DateTime<Utc>) -> NaiveDate) -> TimelineEntry {
    let text = |name: &str| {
        told.body
            .get(name)
            .and_then(Value::as_str)
            .unwrap_or_default()
    };
    let mut says = Reason::new(&format!("event-{}", told.kind.replace('_', "-")));
    // Scalars become arguments of the sentence; what is long is shown whole below it.
    if let Some(fields) = told.body.as_object() {
        for (name, value) in fields {
            // The catalogue knows these rows under other names.
            let name = match (told.kind.as_str(), name.as_str()) {
                ("finding", "word") => "found",
                ("strength_trial", "test") => "strength",
                ("episode_end", "code") => "end",
                ("exam_note", "subject") => match text("kind") {
                    "pathway_kept" => "pathway",
                    "injection" => "injected",
                    "pre_test" | "known" => "hypothesis",
                    "try_out" => "exercise",
                    "instability" => "severity",
                    "irritability" => "vote",
                    _ => "subject",
                },
                ("exam_note", "word") if text("kind") == "known" => "by",
                (_, name) => name,
            };
            let worded = WORDS.iter().any(|(field, _)| *field == name);
            says = match value {
                Value::Number(n) => says.with(name, n.as_f64().unwrap_or_default()),
                Value::Bool(yes) => says.with(name, if *yes { "yes" } else { "no" }),
                // A clock shows hours and minutes.
                Value::String(s) if name == "at_time" => says.with(name, s.get(..5).unwrap_or(s)),
                Value::String(s) if !worded => says.with(name, s.as_str()),
                _ => says,
            };
        }
    }
    if text("kind") == "left_out" && text("how").is_empty() {
        says = says.with("how", "unsaid");
    }
    let mut words: Vec<Words> = WORDS
        .iter()
        .filter(|(field, _)| !text(field).trim().is_empty())
        .map(|(field, label)| Words {
            label: (*label).to_owned(),
            text: text(field).to_owned(),
        })
        .collect();
    // What was said for it stands where other notes keep a word.
    if matches!(text("kind"), "pathway_kept" | "pre_test" | "response") {
        words.push(Words {
            label: "reason".to_owned(),
            text: text("word").to_owned(),
        });
    }
    // A reason of the list is kept in words beside its code: once is enough.
    words.dedup_by(|a, b| a.text == b.text);
    if let Some(reasons) = told.body.get("overridden").and_then(Value::as_object) {
        for (criterion, reason) in reasons {
            words.push(Words {
                label: criterion.clone(),
                text: reason.as_str().unwrap_or_default().to_owned(),
            });
        }
    }
    let verdicts = told.body.get("verdicts").and_then(Value::as_array);
    let rounds = verdicts.map_or(0, Vec::len);
    for verdict in verdicts.into_iter().flatten() {
        let over = verdict.get("over").and_then(Value::as_bool) == Some(true);
        // The last one is part of the sentence; earlier ones stand beside it.
        if verdict.get("round").and_then(Value::as_u64) == Some(rounds as u64) {
            says = says.with("over", if over { "yes" } else { "no" });
            if let Some(ceiling) = verdict.get("ceiling").and_then(Value::as_f64) {
                says = says.with("ceiling", ceiling);
            }
        } else {
            words.push(Words {
                label: if over { "judged-over" } else { "judged-within" }.to_owned(),
                text: verdict
                    .get("ceiling")
                    .and_then(Value::as_f64)
                    .map(|c| c.to_string())
                    .unwrap_or_default(),
            });
        }
    }
    let effects = told.effects.as_array().into_iter().flatten();
    let later: Vec<Later> = effects
        .filter(|e| e.get("to").and_then(Value::as_i64) == Some(told.seq))
        .filter_map(|e| {
            Some(Later {
                seq: e.get("from")?.as_i64()?,
                role: e.get("role")?.as_str()?.to_owned(),
            })
        })
        .collect();
    TimelineEntry {
        seq: told.seq,
        id: told.id,
        episode: told.episode_id,
        on: told.on_date,
        at: told.at,
        entered_on: day_of(told.at),
        late: day_of(told.at) > told.on_date && (told.by_name.is_some() || told.via == "home"),
        from_home: told.via == "home",
        by: told.by_name,
        says,
        words,
        taken_back: later.iter().any(|l| l.role == "takes_back"),
        later,
        kind: told.kind,
    }
}
