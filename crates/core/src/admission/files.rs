//! Which file holds which rows.

use super::error::KnowledgeError;
use super::tables::{only_section, rows};
use crate::knowledge::{
    Allowance, AskRow, Bound, ClinicalTest, Corridor, Exercise, Forbidden, Gate, GateClass,
    Knowledge, Milestone, PainRow, Pathway, Phase, Precaution, Reference, School, Sling, Threshold,
    Watch,
};
use serde::Serialize;
use serde::de::DeserializeOwned;
use std::collections::BTreeMap;

/// A file on its way in, and the faults found so far.
struct File<'a> {
    name: &'a str,
    table: &'a toml::Table,
    faults: &'a mut Vec<KnowledgeError>,
}

impl File<'_> {
    /// All rows; a file of rows holds one kind of them.
    fn all<T: DeserializeOwned + Serialize>(&mut self, section: &str) -> Vec<T> {
        only_section(self.name, self.table, section, self.faults);
        rows(self.name, self.table, section, self.faults)
    }

    /// All rows by their ids.
    fn by_id<T: DeserializeOwned + Serialize>(
        &mut self,
        section: &str,
        id: fn(&T) -> &String,
    ) -> BTreeMap<String, T> {
        let rows = self.all(section).into_iter();
        rows.map(|row| (id(&row).clone(), row)).collect()
    }

    fn twice(&mut self, id: &str) {
        let problem = "stands in another file or row already";
        self.faults
            .push(KnowledgeError::at(self.name, id, "id", problem));
    }
}

pub(super) fn read_file(
    name: &str,
    table: &toml::Table,
    known: &mut Knowledge,
    faults: &mut Vec<KnowledgeError>,
) {
    let mut file = File {
        name,
        table,
        faults,
    };
    match name {
        "advice.toml" => known.advice = file.all("advice"),
        "attestations.toml" => known.attestations = file.all("attestation"),
        "bounds.toml" => known.bounds = file.by_id("bound", |r: &Bound| &r.id),
        "clusters.toml" => known.clusters = file.all("cluster"),
        "distance.toml" => known.distance = file.all("distance"),
        "elastics.toml" => {
            known.elastics = file.all("elastic");
            known.elastics.sort_by_key(|e| e.level);
        }
        "gate-classes.toml" => known.gate_classes = file.by_id("class", |r: &GateClass| &r.id),
        "health.toml" => known.health = file.all("health"),
        "hypotheses.toml" => known.hypotheses = file.all("hypothesis"),
        "may.toml" => known.may = file.all("may"),
        "modifiers.toml" => known.modifiers = file.all("modifier"),
        "needs.toml" => known.needs = file.all("need"),
        "positions.toml" => known.positions = file.all("position"),
        "precautions.toml" => known.precautions = file.all("precaution"),
        "quantities.toml" => known.quantities = file.all("quantity"),
        "range-demands.toml" => known.range_demands = file.all("demand"),
        "reasons.toml" => known.reasons = file.all("reason"),
        "red-flags.toml" => known.red_flags = file.all("flag"),
        "references.toml" => known.references = file.by_id("reference", |r: &Reference| &r.id),
        "schools.toml" => known.schools = file.all("school"),
        "scores.toml" => {
            known.scores = file.all("score");
            known.scores.sort_by_key(|s| s.order);
        }
        "segments.toml" => known.segments = file.all("table"),
        "steps.toml" => known.steps = file.all("step"),
        "strength.toml" => {
            known.strength = file.all("strength");
            known.strength.sort_by_key(|s| s.order);
        }
        "thresholds.toml" => known.thresholds = file.by_id("threshold", |r: &Threshold| &r.id),
        "watches.toml" => known.watches = file.all("watch"),
        _ if name.starts_with("lexicon/") => {
            let mut asks: Vec<AskRow> = file.all("ask");
            for row in &mut asks {
                if let Err(problem) = row.compile() {
                    file.faults
                        .push(KnowledgeError::at(name, &row.flag, "any", problem));
                }
            }
            let language = name
                .trim_start_matches("lexicon/")
                .trim_end_matches(".toml");
            known.lexicon.insert(language.to_owned(), asks);
        }
        _ if name.starts_with("tests/") => {
            for row in file.all::<ClinicalTest>("test") {
                if known.test(&row.id).is_some() {
                    file.twice(&row.id);
                }
                known.tests.push(row);
            }
        }
        _ if name.starts_with("exercises/") => {
            for row in file.all::<Exercise>("exercise") {
                if known.exercises.contains_key(&row.id) {
                    file.twice(&row.id);
                }
                known.exercises.insert(row.id.clone(), row);
            }
        }
        _ if name.starts_with("pathways/") => {
            if let Some(pathway) = read_pathway(name, table, file.faults) {
                known.pathways.insert(pathway.id.clone(), pathway);
            }
        }
        _ => {
            let problem = "no such kind of knowledge file";
            file.faults
                .push(KnowledgeError::at(name, "-", "-", problem));
        }
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
