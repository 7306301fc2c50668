//! Rows of one kind out of a table: each is read strictly, and a field that nobody reads is a fault.

use super::error::KnowledgeError;
use serde::de::DeserializeOwned;

pub(super) fn only_section(
    name: &str,
    table: &toml::Table,
    section: &str,
    faults: &mut Vec<KnowledgeError>,
) {
    for key in table.keys().filter(|key| *key != section) {
        faults.push(KnowledgeError::at(
            name,
            "-",
            key,
            format!("only [[{section}]] rows belong in this file"),
        ));
    }
}

pub(super) fn rows<T: DeserializeOwned + serde::Serialize>(
    name: &str,
    table: &toml::Table,
    section: &str,
    faults: &mut Vec<KnowledgeError>,
) -> Vec<T> {
    let Some(value) = table.get(section) else {
        return Vec::new();
    };
    let Some(array) = value.as_array() else {
        faults.push(KnowledgeError::at(
            name,
            section,
            "-",
            format!("write [[{section}]], one block a row"),
        ));
        return Vec::new();
    };
    let mut out = Vec::with_capacity(array.len());
    for (i, raw) in array.iter().enumerate() {
        let row = raw
            .get("id")
            .and_then(toml::Value::as_str)
            .map_or_else(|| format!("{section} {}", i + 1), str::to_owned);
        match serde_path_to_error::deserialize::<_, T>(raw.clone()) {
            Ok(parsed) => {
                // Tagged criteria cannot refuse unknown fields by themselves: what does not come back out was not understood.
                if let Some(stray) = toml::Value::try_from(&parsed)
                    .ok()
                    .and_then(|back| stray_field(raw, &back))
                {
                    faults.push(KnowledgeError::at(name, &row, &stray, "unknown field"));
                }
                out.push(parsed);
            }
            Err(error) => {
                let path = error.path().to_string();
                let message = error.inner().message().to_owned();
                // serde names an unknown or missing field in the message, not in the path.
                let field = message
                    .split('`')
                    .nth(1)
                    .filter(|_| message.contains("field"))
                    .map_or(path, str::to_owned);
                faults.push(KnowledgeError::at(name, &row, &field, message));
            }
        }
    }
    out
}

/// The first key of `raw` that did not survive reading.
fn stray_field(raw: &toml::Value, back: &toml::Value) -> Option<String> {
    match (raw, back) {
        (toml::Value::Table(raw), toml::Value::Table(back)) => {
            raw.iter().find_map(|(key, value)| match back.get(key) {
                None => Some(key.clone()),
                Some(read) => stray_field(value, read),
            })
        }
        (toml::Value::Array(raw), toml::Value::Array(back)) => raw
            .iter()
            .zip(back)
            .find_map(|(value, read)| stray_field(value, read)),
        _ => None,
    }
}
