//! Whether advice and what one may do speak of rows that are there.

use super::error::KnowledgeError;
use crate::knowledge::Knowledge;

pub(super) fn all(known: &Knowledge, faults: &mut Vec<KnowledgeError>) {
    let kit = known.all_kit();
    let mut missing = |file: &str, row: &str, field: &str, id: &str, there: bool| {
        if !there {
            let problem = format!("no row `{id}`");
            faults.push(KnowledgeError::at(file, row, field, problem));
        }
    };
    let health = |id: &String| known.health.iter().any(|h| &h.id == id);
    for row in &known.advice {
        let mut named =
            |field, id: &String, there| missing("advice.toml", &row.id, field, id, there);
        for id in &row.pathways {
            named("pathways", id, known.pathways.contains_key(id));
        }
        for id in row.health.iter().chain(&row.unless_health) {
            named("health", id, health(id));
        }
        for id in &row.kit {
            named("kit", id, kit.iter().any(|k| k == id));
        }
        if let Some(score) = &row.score {
            let there = known.scores.iter().any(|s| s.id == score.instrument);
            named("score", &score.instrument, there);
        }
    }
    let precaution = |id: &String| known.precautions.iter().any(|p| &p.id == id);
    for row in &known.may {
        for id in &row.until {
            missing("may.toml", &row.id, "until", id, precaution(id));
        }
        for id in &row.classes {
            let there = known.gate_classes.contains_key(id);
            missing("may.toml", &row.id, "classes", id, there);
        }
    }
    for row in &known.precautions {
        for id in &row.health {
            missing("precautions.toml", &row.id, "health", id, health(id));
        }
    }
}
