//! Bounds of every value a file may hold, checked before any rule computes with it.
//!
//! A clinic's own pathway is typed by hand: a week with six digits too many must be a fault that names its
//! field, never an overflow further on.

use super::error::KnowledgeError;

/// Weeks and phases lie below this. Source: our choice, ten years.
const MOST_WEEKS: i64 = 520;

/// Any other number. Source: our choice; nothing here is counted in more than thousands.
const MOST: f64 = 100_000.0;

/// Characters of one text. Source: our choice.
const MOST_CHARACTERS: usize = 2_000;

/// Rows or entries of one list. Source: our choice; the largest table that ships has under 100.
const MOST_ENTRIES: usize = 500;

/// Tables within tables. Source: our choice; criteria within criteria use four.
const MOST_DEPTH: usize = 12;

/// Lists every value of `table` that is out of bounds.
pub(super) fn check(file: &str, table: &toml::Table, faults: &mut Vec<KnowledgeError>) {
    for (section, value) in table {
        let rows = match value {
            toml::Value::Array(rows) if rows.iter().all(toml::Value::is_table) => rows.as_slice(),
            one => std::slice::from_ref(one),
        };
        if rows.len() > MOST_ENTRIES {
            faults.push(KnowledgeError::at(
                file,
                section,
                "-",
                format!("{} rows, at most {MOST_ENTRIES}", rows.len()),
            ));
            continue;
        }
        for (i, row) in rows.iter().enumerate() {
            let name = match row.get("id").and_then(toml::Value::as_str) {
                Some(id) => printable(id),
                None if value.is_array() => format!("{section} {}", i + 1),
                None => "-".to_owned(),
            };
            let field = if row.is_table() { "" } else { section.as_str() };
            walk(row, field, 0, &mut |field, problem| {
                faults.push(KnowledgeError::at(file, &name, field, problem));
            });
        }
    }
}

fn walk(value: &toml::Value, field: &str, depth: usize, fault: &mut dyn FnMut(&str, String)) {
    if depth > MOST_DEPTH {
        fault(field, format!("nested more than {MOST_DEPTH} deep"));
        return;
    }
    match value {
        toml::Value::Integer(n)
            if counts_time(field) && !(-MOST_WEEKS..=MOST_WEEKS).contains(n) =>
        {
            fault(
                field,
                format!("{n} is not a number of weeks up to {MOST_WEEKS}"),
            );
        }
        toml::Value::Integer(n) if (*n as f64).abs() > MOST => {
            fault(field, format!("{n} is outside -{MOST} to {MOST}"));
        }
        // A NaN fails the test too.
        toml::Value::Float(n) if !(-MOST..=MOST).contains(n) => {
            fault(field, format!("{n} is outside -{MOST} to {MOST}"));
        }
        toml::Value::String(text) if text.chars().count() > MOST_CHARACTERS => {
            fault(field, format!("longer than {MOST_CHARACTERS} characters"));
        }
        toml::Value::String(text) if text.chars().any(|c| c.is_control() && c != '\n') => {
            fault(field, "holds a control character".to_owned());
        }
        toml::Value::Array(list) if list.len() > MOST_ENTRIES => {
            fault(
                field,
                format!("{} entries, at most {MOST_ENTRIES}", list.len()),
            );
        }
        toml::Value::Array(list) => {
            for (i, entry) in list.iter().enumerate() {
                let field = if entry.is_table() {
                    format!("{field}[{i}]")
                } else {
                    field.to_owned()
                };
                walk(entry, &field, depth + 1, fault);
            }
        }
        toml::Value::Table(table) => {
            for (key, value) in table {
                let key = printable(key);
                let field = if field.is_empty() {
                    key
                } else {
                    format!("{field}.{key}")
                };
                walk(value, &field, depth + 1, fault);
            }
        }
        _ => {}
    }
}

/// Whether the last part of a path names weeks, days or a phase, or stands in a table of weeks.
fn counts_time(path: &str) -> bool {
    ["week", "phase", "number"]
        .iter()
        .any(|word| path.split('.').any(|part| part.contains(word)))
}

/// A name from a file as a message may hold it.
fn printable(text: &str) -> String {
    text.chars().filter(|c| !c.is_control()).take(80).collect()
}
