//! Which file holds which rows.

use super::error::KnowledgeError;
use super::tables::{only_section, rows};
use crate::knowledge::{
    Allowance, AskRow, Bound, ClinicalTest, Corridor, Exercise, Forbidden, Gate, GateClass,
    Knowledge, Milestone, PainRow, Pathway, Phase, Precaution, Reference, School, Sling, Threshold,
    Watch,
};

pub(super) fn read_file(
    name: &str,
    table: &toml::Table,
    known: &mut Knowledge,
    faults: &mut Vec<KnowledgeError>,
) {
    let one = |section: &str, faults: &mut Vec<KnowledgeError>| {
        only_section(name, table, section, faults)
    };
    match name {
        "references.toml" => {
            one("reference", faults);
            for row in rows::<Reference>(name, table, "reference", faults) {
                known.references.insert(row.id.clone(), row);
            }
        }
        "quantities.toml" => {
            one("quantity", faults);
            known.quantities = rows(name, table, "quantity", faults);
        }
        "red-flags.toml" => {
            one("flag", faults);
            known.red_flags = rows(name, table, "flag", faults);
        }
        _ if name.starts_with("lexicon/") => {
            one("ask", faults);
            let mut asks = rows::<AskRow>(name, table, "ask", faults);
            for row in &mut asks {
                if let Err(problem) = row.compile() {
                    faults.push(KnowledgeError::at(name, &row.flag, "any", problem));
                }
            }
            let language = name
                .trim_start_matches("lexicon/")
                .trim_end_matches(".toml");
            known.lexicon.insert(language.to_owned(), asks);
        }
        "health.toml" => {
            one("health", faults);
            known.health = rows(name, table, "health", faults);
        }
        "positions.toml" => {
            one("position", faults);
            known.positions = rows(name, table, "position", faults);
        }
        "reasons.toml" => {
            one("reason", faults);
            known.reasons = rows(name, table, "reason", faults);
        }
        "thresholds.toml" => {
            one("threshold", faults);
            for row in rows::<Threshold>(name, table, "threshold", faults) {
                known.thresholds.insert(row.id.clone(), row);
            }
        }
        "bounds.toml" => {
            one("bound", faults);
            for row in rows::<Bound>(name, table, "bound", faults) {
                known.bounds.insert(row.id.clone(), row);
            }
        }
        "gate-classes.toml" => {
            one("class", faults);
            for row in rows::<GateClass>(name, table, "class", faults) {
                known.gate_classes.insert(row.id.clone(), row);
            }
        }
        "attestations.toml" => {
            one("attestation", faults);
            known.attestations = rows(name, table, "attestation", faults);
        }
        "precautions.toml" => {
            one("precaution", faults);
            known.precautions = rows(name, table, "precaution", faults);
        }
        "needs.toml" => {
            one("need", faults);
            known.needs = rows(name, table, "need", faults);
        }
        "modifiers.toml" => {
            one("modifier", faults);
            known.modifiers = rows(name, table, "modifier", faults);
        }
        "schools.toml" => {
            one("school", faults);
            known.schools = rows(name, table, "school", faults);
        }
        "watches.toml" => {
            one("watch", faults);
            known.watches = rows(name, table, "watch", faults);
        }
        "steps.toml" => {
            one("step", faults);
            known.steps = rows(name, table, "step", faults);
        }
        "hypotheses.toml" => {
            one("hypothesis", faults);
            known.hypotheses = rows(name, table, "hypothesis", faults);
        }
        "strength.toml" => {
            one("strength", faults);
            known.strength = rows(name, table, "strength", faults);
            known.strength.sort_by_key(|s| s.order);
        }
        "scores.toml" => {
            one("score", faults);
            known.scores = rows(name, table, "score", faults);
            known.scores.sort_by_key(|s| s.order);
        }
        "elastics.toml" => {
            one("elastic", faults);
            known.elastics = rows(name, table, "elastic", faults);
            known.elastics.sort_by_key(|e| e.level);
        }
        "segments.toml" => {
            one("table", faults);
            known.segments = rows(name, table, "table", faults);
        }
        "clusters.toml" => {
            one("cluster", faults);
            known.clusters = rows(name, table, "cluster", faults);
        }
        _ if name.starts_with("tests/") => {
            one("test", faults);
            for row in rows::<ClinicalTest>(name, table, "test", faults) {
                if known.test(&row.id).is_some() {
                    faults.push(KnowledgeError::at(
                        name,
                        &row.id,
                        "id",
                        "stands in another file or row already",
                    ));
                }
                known.tests.push(row);
            }
        }
        _ if name.starts_with("exercises/") => {
            one("exercise", faults);
            for row in rows::<Exercise>(name, table, "exercise", faults) {
                if known.exercises.contains_key(&row.id) {
                    faults.push(KnowledgeError::at(
                        name,
                        &row.id,
                        "id",
                        "stands in another file or row already",
                    ));
                }
                known.exercises.insert(row.id.clone(), row);
            }
        }
        _ if name.starts_with("pathways/") => {
            if let Some(pathway) = read_pathway(name, table, faults) {
                known.pathways.insert(pathway.id.clone(), pathway);
            }
        }
        _ => faults.push(KnowledgeError::at(
            name,
            "-",
            "-",
            "no such kind of knowledge file",
        )),
    }
}

fn read_pathway(
    name: &str,
    table: &toml::Table,
    faults: &mut Vec<KnowledgeError>,
) -> Option<Pathway> {
    const SECTIONS: [&str; 11] = [
        "pain",
        "phase",
        "corridor",
        "allowance",
        "forbidden",
        "precaution",
        "sling",
        "milestone",
        "gate",
        "watch",
        "school",
    ];
    const FIELDS: [&str; 10] = [
        "not_when_stiff",
        "id",
        "based_on",
        "loose",
        "title",
        "class_weeks",
        "clock",
        "weeks",
        "source",
        "confidence",
    ];
    let before = faults.len();
    for key in table.keys() {
        if !SECTIONS.contains(&key.as_str()) && !FIELDS.contains(&key.as_str()) {
            faults.push(KnowledgeError::at(
                name,
                "-",
                key,
                "is not a field of a pathway",
            ));
        }
    }
    // Row by row first, so that a fault names its row; the whole is read only when every row is sound.
    rows::<PainRow>(name, table, "pain", faults);
    rows::<Phase>(name, table, "phase", faults);
    rows::<Corridor>(name, table, "corridor", faults);
    rows::<Allowance>(name, table, "allowance", faults);
    rows::<Forbidden>(name, table, "forbidden", faults);
    rows::<Precaution>(name, table, "precaution", faults);
    rows::<Sling>(name, table, "sling", faults);
    rows::<Milestone>(name, table, "milestone", faults);
    rows::<Gate>(name, table, "gate", faults);
    rows::<Watch>(name, table, "watch", faults);
    rows::<School>(name, table, "school", faults);
    if faults.len() > before {
        return None;
    }
    match serde_path_to_error::deserialize::<_, Pathway>(toml::Value::Table(table.clone())) {
        Ok(pathway) => Some(pathway),
        Err(error) => {
            faults.push(KnowledgeError::at(
                name,
                "-",
                &error.path().to_string(),
                error.inner().message(),
            ));
            None
        }
    }
}
