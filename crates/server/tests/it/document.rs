//! The document of the interface tells what the server does: bounds that are held, refusals that are named, methods that are there.

use super::harness::{Answer, Clinic, Session, document};
use super::hostile::{places, writes};
use serde_json::{Value, json};
use uuid::Uuid;

/// Every form that a schema can take for a value, references followed, kinds that the value is not left out.
fn forms<'a>(document: &'a Value, schema: &'a Value, value: &Value, out: &mut Vec<&'a Value>) {
    if let Some(name) = schema["$ref"].as_str() {
        let name = name.trim_start_matches('#');
        return forms(
            document,
            document.pointer(name).expect("a schema"),
            value,
            out,
        );
    }
    for part in ["oneOf", "allOf", "anyOf"] {
        for form in schema[part].as_array().into_iter().flatten() {
            forms(document, form, value, out);
        }
    }
    let fields = schema["properties"].as_object();
    let another = fields.into_iter().flatten().any(|(name, field)| {
        let tags = field["enum"].as_array();
        tags.is_some_and(|tags| tags.len() == 1 && tags[0] != value[name])
    });
    if !another {
        out.push(schema);
    }
}

/// What the document says of a place in a body.
fn said_of<'a>(
    document: &'a Value,
    schema: &'a Value,
    body: &Value,
    place: &str,
) -> Vec<&'a Value> {
    let mut here = Vec::new();
    forms(document, schema, body, &mut here);
    let mut value = body;
    for part in place.split('/').skip(1) {
        value = value.pointer(&format!("/{part}")).expect("a place");
        let mut next = Vec::new();
        for form in here {
            let inner = match part.parse::<usize>() {
                Ok(_) if form.get("items").is_some() => &form["items"],
                _ if form["properties"].get(part).is_some() => &form["properties"][part],
                _ if form["additionalProperties"].is_object() => &form["additionalProperties"],
                _ => continue,
            };
            forms(document, inner, value, &mut next);
        }
        here = next;
    }
    here
}

fn send(s: &Session, method: &str, path: &str, body: &Value, place: &str, value: &Value) -> Answer {
    let mut changed = body.clone();
    if let Some(id) = changed.get_mut("id") {
        *id = json!(Uuid::now_v7());
    }
    *changed.pointer_mut(place).expect("a place") = value.clone();
    match method {
        "PUT" => s.put(path, &changed),
        _ => s.post(path, &changed),
    }
}

/// The schema of a body that goes to an address.
fn schema_of<'a>(document: &'a Value, method: &str, path: &str) -> &'a Value {
    let fits = |template: &str| {
        let (wanted, given) = (template.split('/'), path.split('/'));
        wanted.clone().count() == given.clone().count()
            && wanted.zip(given).all(|(w, g)| w.starts_with('{') || w == g)
    };
    let paths = document["paths"].as_object().expect("paths");
    let of = paths.iter().find(|(template, _)| fits(template));
    let (_, methods) = of.unwrap_or_else(|| panic!("{path} is not in the document"));
    &methods[method.to_lowercase()]["requestBody"]["content"]["application/json"]["schema"]
}

#[test]
fn what_the_document_says_a_field_may_hold_is_what_is_taken() {
    let clinic = Clinic::demo();
    let s = clinic.sign_in("lea");
    let episode = s.rigger();
    s.all_no(&episode);
    let document = document();
    let (mut texts, mut numbers) = (0, 0);
    let mut untrue = Vec::new();
    for (method, path, body) in &writes(&s, &episode) {
        let mut all = Vec::new();
        places(body, "", &mut all);
        for place in all {
            // What waited carries bodies of other addresses, checked by those; a check keeps nothing.
            if place.contains("/body/") || path.ends_with("/check") || path.ends_with("/week") {
                continue;
            }
            let said = said_of(&document, schema_of(&document, method, path), body, &place);
            let least = |what: &str| {
                let told = said.iter().filter_map(|schema| schema[what].as_f64());
                told.reduce(f64::min)
            };
            let refused = |value: Value| {
                let answer = send(&s, method, path, body, &place, &value);
                let told = String::from_utf8_lossy(&answer.bytes).into_owned();
                let field = place.rsplit('/').find(|part| part.parse::<u32>().is_err());
                let held =
                    matches!(answer.status, 400 | 422) && told.contains(field.unwrap_or_default());
                (!held).then(|| format!("{path} {place}: {} {told}", answer.status))
            };
            let held = body.pointer(&place).expect("a place");
            let free = |schema: &&Value| schema["enum"].is_null() && schema["format"].is_null();
            if let Some(most) = least("maxLength") {
                let long = "long words ".repeat(most as usize + 1);
                untrue.extend(refused(json!(&long[..=most as usize])));
                texts += 1;
            } else if held.is_string() && said.iter().all(free) {
                // Nothing is said: then it is the id of something, and nobody knows this one. An id is a key, not a place for a text.
                let answer = send(&s, method, path, body, &place, &json!("x".repeat(30_000)));
                if answer.status < 400 {
                    untrue.push(format!("{path} {place} keeps any text"));
                }
            }
            if let (Some(most), true) = (least("maximum"), held.is_number()) {
                let whole = held.is_i64() || held.is_u64();
                let past = if whole {
                    json!(most as i64 + 1)
                } else {
                    json!(most + 1.0)
                };
                untrue.extend(refused(past));
                numbers += 1;
            }
        }
    }
    assert!(untrue.is_empty(), "{}", untrue.join("\n"));
    assert!(
        texts > 20 && numbers > 25,
        "{texts} texts, {numbers} numbers"
    );
}

#[test]
fn every_refusal_is_named_and_every_method_that_is_not_there_names_those_that_are() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let document = document();
    assert_eq!(
        document["components"]["securitySchemes"]["session"]["in"],
        "cookie"
    );
    for (path, methods) in document["paths"].as_object().expect("paths") {
        for (method, operation) in methods.as_object().expect("methods") {
            let answers = operation["responses"].as_object().expect("responses");
            assert!(
                answers.contains_key("503") && answers.contains_key("400"),
                "{path}"
            );
            assert!(
                !answers.contains_key("default"),
                "{method} {path} leaves a status open"
            );
            for (status, answer) in answers
                .iter()
                .filter(|(status, _)| status.as_str() >= "400")
            {
                let name = answer["$ref"]
                    .as_str()
                    .expect("a reference")
                    .trim_start_matches('#');
                let answer = document.pointer(name).expect("it is there");
                let problem = &answer["content"]["application/problem+json"]["schema"]["$ref"];
                assert_eq!(problem, "#/components/schemas/Problem", "{path} {status}");
            }
        }
    }
    let agent: ureq::Agent = ureq::Agent::config_builder()
        .http_status_as_error(false)
        .build()
        .into();
    let answer = agent
        .get(format!("{}/api/patients", clinic.address))
        .header("cookie", format!("ritorno_session={}", vera.cookie))
        .call()
        .expect("an answer");
    assert_eq!(answer.status(), 405);
    assert_eq!(answer.headers()["allow"], "POST");
}
