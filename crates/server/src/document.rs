//! The document of the interface: what each address takes and answers, with the bounds that the checks hold to.
//!
//! Handlers say what they take and give, and `default` for every refusal. Here each refusal is named by its status, and fields get
//! the lengths, ranges and counts that they are checked for; a test sends one too many of each.

use crate::form::{MOST_ROWS, MOST_SAMPLES};
use crate::gate::open_to_strangers;
use ritorno_core::knowledge::Knowledge;
use serde_json::{Map, Value, json};
use std::collections::BTreeSet;

/// What a field may hold, beside its type.
#[derive(Clone, Copy)]
enum Holds {
    /// A text: least and most letters.
    Letters(usize, usize),
    /// A number inside a row of `knowledge/bounds.toml`.
    Bound(&'static str),
    /// A list: least and most rows.
    Rows(usize, usize),
    /// A text of this form.
    Form(&'static str),
}
use Holds::{Bound, Form, Letters, Rows};

/// What stands in an address: no control characters.
const PRINTED: &str = r"^[^\u0000-\u001f\u007f]*$";
/// Hours and minutes, and seconds where they are known.
const TIME: &str = "^([01][0-9]|2[0-3]):[0-5][0-9](:[0-5][0-9])?$";

/// Schema (after a colon its kind), field, and what the field may hold. Fields that hold an id are held to known ids instead.
const FIELDS: &[(&str, &str, Holds)] = &[
    ("Appointment", "minutes", Bound("appointment_minutes")),
    ("Appointment", "time", Form(TIME)),
    ("BreachAnswer", "role", Letters(1, 80)),
    ("BreachAnswer", "words", Letters(1, 1000)),
    ("CalibrationForm", "label", Letters(0, 40)),
    ("CalibrationForm", "level", Bound("elastic_level")),
    ("CalibrationForm", "points", Rows(4, 60)),
    ("Clearance", "role", Letters(1, 80)),
    ("ClinicDefaults", "clinic_name", Letters(0, 80)),
    ("ClinicDefaults", "telephone", Letters(0, 40)),
    ("ClinicDefaults", "hours", Letters(0, 120)),
    ("ClinicDefaults", "opening", Rows(0, 21)),
    (
        "ClinicDefaults",
        "minutes_per_day",
        Bound("minutes_per_day"),
    ),
    (
        "ClinicDefaults",
        "appointment_minutes",
        Bound("appointment_minutes"),
    ),
    ("CopyOf", "title", Letters(1, 80)),
    ("Deciding", "reason", Letters(0, 1000)),
    ("Dose", "sets", Bound("sets")),
    ("Dose", "repetitions", Bound("repetitions")),
    ("Dose", "hold_s", Bound("hold_s")),
    ("Dose", "rest_s", Bound("rest_s")),
    ("Dose", "times_per_day", Bound("times_per_day")),
    ("Dose", "days_per_week", Bound("days_per_week")),
    ("Dose", "load_kg", Bound("load_kg")),
    ("Dose", "elastic_level", Bound("elastic_level")),
    ("Dose", "effort_pct", Bound("effort_pct")),
    ("Dose", "tempo_s", Rows(3, 3)),
    ("Dose", "weekdays", Rows(7, 7)),
    ("Dose", "duration_s", Bound("duration_s")),
    ("Dose", "force_n", Bound("pull_n")),
    ("Dose", "distance_m", Bound("distance_m")),
    ("Ending", "words", Letters(1, 2000)),
    ("Batch", "entries", Rows(1, 100)),
    ("ExamFact:response", "sign", Letters(1, 120)),
    ("ExamFact:response", "dose", Letters(1, 120)),
    ("ExamFact:response", "before", Bound("score_0_10")),
    ("ExamFact:response", "after", Bound("score_0_10")),
    ("ExamFact:landmark", "words", Letters(1, 120)),
    ("ExamFact:pathway_kept", "reason", Letters(1, 300)),
    ("ExamFact:pre_test", "reason", Letters(1, 300)),
    ("ExamFact:pre_test", "probability", Bound("probability")),
    ("FlagStepKind:acted", "told", Letters(1, 120)),
    ("FlagStepKind:acted", "words", Letters(0, 1000)),
    ("FlagStepKind:answered", "by", Letters(1, 120)),
    ("FlagStepKind:answered", "resumes", Letters(1, 300)),
    ("FlagStepKind:answered", "result", Letters(1, 1000)),
    ("FlagStepKind:mistake", "reason", Letters(1, 1000)),
    ("Force:typed", "peak_n", Bound("force_n")),
    ("Force:trace", "samples", Rows(1, MOST_SAMPLES)),
    ("Line", "from_day", Bound("line_day")),
    ("Line", "to_day", Bound("line_day")),
    ("Line", "override_reason", Letters(0, 1000)),
    ("LogEntry", "remark", Letters(0, 1000)),
    ("LogFact:done", "sessions", Bound("sessions")),
    ("LogFact:done", "repetitions", Bound("done_repetitions")),
    ("LogFact:pain_before", "value", Bound("score_0_10")),
    ("LogFact:pain_during", "value", Bound("score_0_10")),
    ("LogFact:pain_next_morning", "value", Bound("score_0_10")),
    ("LogFact:effort", "value", Bound("score_0_10")),
    ("PhoneSaid:done", "sessions", Bound("sessions")),
    ("PhoneSaid:done", "repetitions", Bound("done_repetitions")),
    ("PhoneSaid:message", "words", Bound("message_characters")),
    ("PhoneSaid:pain_during", "value", Bound("score_0_10")),
    ("PhoneSaid:pain_next_morning", "value", Bound("score_0_10")),
    ("Measurement", "remark", Letters(0, 1000)),
    ("HomeHours", "days", Rows(7, 7)),
    ("HomeHours", "times", Bound("home_times")),
    ("HomeRead", "read", Rows(1, 1000)),
    ("NewCover", "words", Letters(0, 1000)),
    ("NewNote", "body", Bound("note_characters")),
    ("NewPassword", "new", Letters(1, 256)),
    ("NewPatient", "given_name", Letters(1, 80)),
    ("NewPatient", "family_name", Letters(1, 80)),
    ("NewPerson", "login", Letters(1, 100)),
    ("NewPerson", "name", Letters(1, 100)),
    ("OpenHours", "from", Form(TIME)),
    ("OpenHours", "until", Form(TIME)),
    ("Opening", "words", Letters(3, 500)),
    ("PatientEdit", "given_name", Letters(1, 80)),
    ("PatientEdit", "family_name", Letters(1, 80)),
    ("PersonEdit", "name", Letters(1, 100)),
    ("ProgramEdit", "lines", Rows(0, 200)),
    ("Wanted", "peak_nm", Bound("peak_nm")),
    ("PullPoint", "elongation_pct", Bound("elongation_pct")),
    ("PullPoint", "force_n", Bound("point_n")),
    ("PushForm", "lever_m", Bound("lever_m")),
    ("PushForm", "pain", Bound("pain")),
    ("PushForm", "remark", Letters(0, 1000)),
    ("Release", "role", Letters(1, 80)),
    ("Reminding", "address", Letters(0, 254)),
    ("Reminding", "exercises_at", Form(TIME)),
    ("Reminding", "quiet_from", Form(TIME)),
    ("Reminding", "quiet_until", Form(TIME)),
    ("Reopening", "words", Letters(1, 1000)),
    ("Resuming", "reason", Letters(0, 1000)),
    ("Score", "value", Bound("score_0_10")),
    ("Story", "mechanism", Letters(0, 500)),
    ("Story", "work", Letters(0, 200)),
    ("Story", "note", Letters(0, 4000)),
    ("Story", "flag_words", Letters(0, 500)),
    ("Story", "complaint_words", Letters(0, 500)),
    ("Story", "health_words", Letters(0, 500)),
    ("Story", "mass_kg", Bound("mass_kg")),
    ("Story", "height_cm", Bound("height_cm")),
    ("Story", "minutes_per_day", Bound("minutes_per_day")),
    ("Story", "job_load_kg", Bound("job_load_kg")),
    ("Story", "job_overhead_h", Bound("job_overhead_h")),
    ("Story", "slips_per_week", Bound("slips_per_week")),
    ("SurgeonLimit", "until_day", Bound("until_day")),
    ("SurgeonLimit", "ask_again_day", Bound("until_day")),
    ("Task", "label", Letters(1, 120)),
    ("Task", "score", Bound("task_score")),
    ("TestFinding", "remark", Letters(0, 1000)),
    ("Typed", "text", Letters(0, 20_000)),
    ("UsedLink", "password", Letters(1, 256)),
    ("Variant", "minutes_per_day", Bound("minutes_per_day")),
    ("Variant", "missed_days", Bound("missed_days")),
    ("Withdrawal", "reason", Letters(0, 500)),
];

/// A refusal as the document names it: its status, its name, and when it is given.
const REFUSALS: &[(u16, &str, &str)] = &[
    (
        400,
        "Unreadable",
        "The address or the body cannot be read; `fields` names what.",
    ),
    (
        401,
        "Unknown",
        "Nobody is signed in, or what was given to sign in is not right.",
    ),
    (
        403,
        "Forbidden",
        "The role may not do this, the record is kept shut, or the request came from another origin.",
    ),
    (
        404,
        "Missing",
        "There is no such thing, or nothing at this address.",
    ),
    (
        408,
        "Slow",
        "The body did not come whole in time. Nothing was kept.",
    ),
    (
        409,
        "Conflict",
        "Somebody changed this in the meantime, or this id was sent before with other content.",
    ),
    (413, "TooLarge", "The body is larger than what is taken."),
    (415, "Packed", "Packed bodies are not taken."),
    (
        422,
        "Invalid",
        "A field cannot be right, or a rule speaks against it; `fields` and `reasons` say which.",
    ),
    (
        429,
        "Throttled",
        "Too many tries; `Retry-After` says when to come again.",
    ),
    (
        503,
        "Unavailable",
        "The database cannot be reached, or too much is asked at once; `Retry-After` says when to come again.",
    ),
];

/// Names every refusal of every address, who may come in and how, and what fields may hold.
pub(crate) fn complete(mut document: Value, known: &Knowledge) -> Value {
    let paths = document["paths"].as_object_mut();
    for (path, methods) in paths.into_iter().flatten() {
        let methods = methods.as_object_mut();
        for (method, operation) in methods.into_iter().flatten() {
            name_refusals(path, method, operation);
        }
    }
    let mut responses = Map::new();
    for (status, name, when) in REFUSALS {
        let mut answer = json!({
            "description": when,
            "content": { "application/problem+json": { "schema": { "$ref": "#/components/schemas/Problem" } } },
        });
        if matches!(status, 429 | 503) {
            answer["headers"] = json!({
                "Retry-After": { "description": "Seconds to wait.", "schema": { "type": "integer", "minimum": 0 } },
            });
        }
        responses.insert((*name).to_owned(), answer);
    }
    let components = &mut document["components"];
    components["responses"] = Value::Object(responses);
    components["securitySchemes"] = json!({
        "session": {
            "type": "apiKey",
            "in": "cookie",
            "name": "ritorno_session",
            "description": "The session that POST /api/session begins. Over https the cookie is called __Host-ritorno.",
        },
        "telephone": {
            "type": "apiKey",
            "in": "cookie",
            "name": "ritorno_home",
            "description": "A telephone that POST /api/home/open let in. Over https the cookie is called __Host-ritorno-home.",
        },
    });
    document["security"] = json!([{ "session": [] }]);
    let schemas = &mut document["components"]["schemas"];
    schemas["Problem"]["properties"]["type"]["pattern"] = json!("^urn:ritorno:problem:[a-z-]+$");
    for (schema, field, holds) in FIELDS {
        let (name, kind) = schema.split_once(':').unwrap_or((schema, ""));
        let placed = hold(&mut schemas[name], kind, field, *holds, known);
        debug_assert!(placed, "there is no {schema}.{field}, or no row for it");
    }
    whole_numbers(schemas);
    short_lists(&mut document);
    or_nothing(&mut document);
    document
}

/// The refusals that an address can give, in the place of `default`.
fn name_refusals(path: &str, method: &str, operation: &mut Value) {
    let asked = operation
        .get_mut("parameters")
        .and_then(Value::as_array_mut);
    for parameter in asked.into_iter().flatten() {
        let schema = &mut parameter["schema"];
        let text = schema["type"] == "string" || schema["type"][0] == "string";
        if text && schema["format"].is_null() {
            schema["pattern"] = json!(PRINTED);
        }
    }
    let open = open_to_strangers(path);
    let writes = method != "get";
    let takes = operation.get("requestBody").is_some();
    let parameters = operation["parameters"].as_array().map_or(&[][..], |p| p);
    let asks = |place: &str| parameters.iter().any(|p| p["in"] == place);
    let (in_path, in_query) = (asks("path"), asks("query"));
    let signs_in = open && takes;
    let gives = |status: u16| match status {
        400 | 503 => true,
        401 => !path.starts_with("/api/links/") && !path.starts_with("/api/calendars/"),
        403 => writes || !open,
        404 => in_path || in_query || takes,
        408 | 413 => takes,
        409 => writes || path.ends_with(".pdf") || path.ends_with(".ics"),
        415 => writes,
        422 => takes || in_query || in_path && writes,
        _ => signs_in || path == "/api/me/password" || path.starts_with("/api/me/second-factor"),
    };
    if open {
        operation["security"] = json!([]);
    } else if path.starts_with("/api/home/") {
        operation["security"] = json!([{ "telephone": [] }]);
    }
    let Some(answers) = operation["responses"].as_object_mut() else {
        return;
    };
    answers.remove("default");
    for (status, name, _) in REFUSALS.iter().filter(|(status, ..)| gives(*status)) {
        let named = json!({ "$ref": format!("#/components/responses/{name}") });
        answers.insert(status.to_string(), named);
    }
}

/// Writes what a field may hold beside its type, in every form of the schema that has it.
/// Answers whether there was one.
fn hold(schema: &mut Value, kind: &str, field: &str, holds: Holds, known: &Knowledge) -> bool {
    let mut placed = false;
    for part in ["oneOf", "allOf"] {
        for form in schema
            .get_mut(part)
            .and_then(Value::as_array_mut)
            .into_iter()
            .flatten()
        {
            placed |= hold(form, kind, field, holds, known);
        }
    }
    let Some(fields) = schema.get_mut("properties").and_then(Value::as_object_mut) else {
        return placed;
    };
    let of_kind = |value: &Value| value["enum"] == json!([kind]);
    if !kind.is_empty() && !fields.values().any(of_kind) {
        return placed;
    }
    let Some(place) = fields.get_mut(field) else {
        return placed;
    };
    match holds {
        Letters(least, most) => {
            place["minLength"] = json!(least);
            place["maxLength"] = json!(most);
        }
        Form(pattern) => place["pattern"] = json!(pattern),
        Rows(least, most) => {
            place["minItems"] = json!(least);
            place["maxItems"] = json!(most);
        }
        Bound(row) => {
            let Some(row) = known.bounds.get(row) else {
                return placed;
            };
            if place["type"] == "array" {
                place["minItems"] = json!(row.min as u64);
                place["maxItems"] = json!(row.max as u64);
            } else if place["type"] == "string" {
                place["minLength"] = json!(row.min as u64);
                place["maxLength"] = json!(row.max as u64);
            } else if place["format"] == "double" {
                place["minimum"] = json!(row.min);
                place["maximum"] = json!(row.max);
            } else {
                place["minimum"] = json!(row.min as i64);
                place["maximum"] = json!(row.max as i64);
            }
        }
    }
    true
}

/// A whole number fits into what keeps it.
fn whole_numbers(value: &mut Value) {
    match value {
        Value::Object(fields) => {
            if fields.get("format").is_some_and(|f| f == "int32") {
                fields.entry("minimum").or_insert_with(|| json!(i32::MIN));
                fields.entry("maximum").or_insert_with(|| json!(i32::MAX));
            }
            fields.values_mut().for_each(whole_numbers);
        }
        Value::Array(list) => list.iter_mut().for_each(whole_numbers),
        _ => {}
    }
}

/// The schemas that a value refers to.
fn names(value: &Value, out: &mut Vec<String>) {
    match value {
        Value::Object(fields) => {
            let name = fields.get("$ref").and_then(Value::as_str);
            out.extend(
                name.and_then(|name| name.rsplit('/').next())
                    .map(str::to_owned),
            );
            fields.values().for_each(|value| names(value, out));
        }
        Value::Array(list) => list.iter().for_each(|value| names(value, out)),
        _ => {}
    }
}

/// Every list of a body ends somewhere: where a field says nothing of its own, at what [`crate::form`] takes.
fn short_lists(document: &mut Value) {
    let mut open = Vec::new();
    for operation in document["paths"]
        .as_object_mut()
        .into_iter()
        .flatten()
        .flat_map(|(_, methods)| methods.as_object_mut())
        .flatten()
    {
        if let Some(body) = operation.1.get_mut("requestBody") {
            names(body, &mut open);
            bound_lists(body, MOST_SAMPLES);
        }
    }
    let mut taken = BTreeSet::new();
    while let Some(name) = open.pop() {
        let schema = &mut document["components"]["schemas"][&name];
        if taken.insert(name) {
            names(schema, &mut open);
            bound_lists(schema, MOST_ROWS);
        }
    }
}

fn bound_lists(value: &mut Value, most: usize) {
    match value {
        Value::Object(fields) => {
            let list = fields
                .get("type")
                .is_some_and(|kind| *kind == "array" || kind[0] == "array");
            if list {
                fields.entry("maxItems").or_insert_with(|| json!(most));
            }
            fields
                .values_mut()
                .for_each(|value| bound_lists(value, most));
        }
        Value::Array(list) => list.iter_mut().for_each(|value| bound_lists(value, most)),
        _ => {}
    }
}

/// A text of a form, or nothing: `null` has no form.
fn or_nothing(value: &mut Value) {
    match value {
        Value::Object(fields) => {
            let text = fields.get("type") == Some(&json!(["string", "null"]));
            if text && let Some(format) = fields.remove("format") {
                fields.remove("type");
                let forms = json!([{ "type": "string", "format": format }, { "type": "null" }]);
                fields.insert("anyOf".to_owned(), forms);
            }
            fields.values_mut().for_each(or_nothing);
        }
        Value::Array(list) => list.iter_mut().for_each(or_nothing),
        _ => {}
    }
}
