//! From text to knowledge, or to a list of faults.

use super::error::KnowledgeError;
use super::files::read_file;
use super::{advice, asks, bounds, clinical_tests, flags, gates, names, pathways};
use crate::knowledge::{ClinicalTest, DroppedFloor, Knowledge, RungSpan, TestKind};
use sha2::{Digest, Sha256};
use std::collections::BTreeMap;

/// A file as the caller read it: its path below `knowledge/`, and its text.
#[derive(Debug, Clone)]
pub struct NamedText {
    /// E.g. `exercises/pendulum.toml`.
    pub name: String,
    /// The file's text.
    pub text: String,
}

/// Loads and cross-checks all files.
///
/// ```
/// use ritorno_core::admission::{NamedText, load};
///
/// let mut files = ritorno_shelf::texts(&ritorno_shelf::shipped()).expect("the folder");
/// assert!(load(&files).is_ok());
/// // A row with a field that nobody reads is a fault, told with its file: a typing error never passes for knowledge.
/// let odd = files.iter_mut().find(|f| f.name == "thresholds.toml").expect("a file");
/// odd.text = odd.text.replacen("value =", "vallue =", 1);
/// let faults = load(&files).expect_err("refused");
/// assert!(faults.iter().any(|f| f.to_string().contains("thresholds.toml")));
/// ```
///
/// # Errors
/// Every fault found, each naming file, row and field.
pub fn load(files: &[NamedText]) -> Result<Knowledge, Vec<KnowledgeError>> {
    laid_beside(BTreeMap::new(), files)
}

/// Lays files beside tables that are known, in their place where the name is the same, and checks all of it.
fn laid_beside(
    mut tables: BTreeMap<String, toml::Table>,
    files: &[NamedText],
) -> Result<Knowledge, Vec<KnowledgeError>> {
    let mut faults = Vec::new();
    for file in files {
        match file.text.parse::<toml::Table>() {
            Ok(table) => {
                tables.insert(file.name.clone(), table);
            }
            Err(error) => faults.push(KnowledgeError::at(
                &file.name,
                "-",
                "-",
                error.to_string().replace('\n', " "),
            )),
        }
    }
    from_tables(&tables, faults, None)
}

impl Knowledge {
    /// This knowledge with files of a clinic's own laid beside it, checked as a whole.
    ///
    /// # Errors
    /// Every fault found, each naming file, row and field.
    pub fn with_files(&self, files: &[NamedText]) -> Result<Knowledge, Vec<KnowledgeError>> {
        laid_beside(self.tables()?, files)
    }

    /// The file of a pathway, as it would stand in the folder; with another id, a copy of it.
    pub fn pathway_file(&self, id: &str, copy: Option<(&str, &str)>) -> Option<String> {
        let mut table = self.tables().ok()?.remove(&format!("pathways/{id}.toml"))?;
        if let Some((own, title)) = copy {
            let base = self.pathways.get(id)?.column().to_owned();
            table.insert("id".to_owned(), own.into());
            table.insert("based_on".to_owned(), base.into());
            table.insert("title".to_owned(), title.into());
        }
        toml::to_string_pretty(&table).ok()
    }

    fn tables(&self) -> Result<BTreeMap<String, toml::Table>, Vec<KnowledgeError>> {
        serde_json::from_str(&self.canonical)
            .map_err(|error| vec![KnowledgeError::at("release", "-", "-", error.to_string())])
    }
}

/// Loads a release as it was stored: the canonical JSON of [`Knowledge::canonical`].
///
/// A program goes on being judged by what was known when it was built. Thresholds of rules that came later are taken from
/// `today`: a rule without its number would be worse than a rule that the release did not know.
///
/// # Errors
/// Every fault found; an older release that this application no longer understands is one.
pub fn load_release(canonical: &str, today: &Knowledge) -> Result<Knowledge, Vec<KnowledgeError>> {
    match serde_json::from_str::<BTreeMap<String, toml::Table>>(canonical) {
        // What was drawn and checked once stays as it was: rules of style that came later do not reach back.
        Ok(tables) => from_tables(&tables, Vec::new(), Some(today)),
        Err(error) => Err(vec![KnowledgeError::at(
            "release",
            "-",
            "-",
            error.to_string(),
        )]),
    }
}

/// What code held when an older release was made, and rows hold today, is taken from today.
fn complete(known: &mut Knowledge, today: &Knowledge) {
    for (id, row) in &today.thresholds {
        known
            .thresholds
            .entry(id.clone())
            .or_insert_with(|| row.clone());
    }
    if known.distance.is_empty() {
        known.distance.clone_from(&today.distance);
    }
    if known.range_demands.is_empty() {
        known.range_demands.clone_from(&today.range_demands);
    }
    for flag in &mut known.red_flags {
        if let Some(now) = today
            .red_flag(&flag.id)
            .filter(|_| flag.raised_by.is_empty())
        {
            flag.raised_by.clone_from(&now.raised_by);
            flag.says.clone_from(&now.says);
            flag.signs.clone_from(&now.signs);
        }
    }
    for quantity in &mut known.quantities {
        let now = today.quantity(&quantity.id);
        if let Some(now) = now.filter(|_| quantity.loss.is_none()) {
            quantity.movement = now.movement;
            quantity.loss.clone_from(&now.loss);
            quantity.stiff_plane = now.stiff_plane;
            quantity.kept_up = now.kept_up;
        }
    }
    // What answers are worth was known by the place of their part.
    for score in &mut known.scores {
        let now = today.scores.iter().find(|s| s.id == score.id);
        for part in &mut score.parts {
            let now = now.and_then(|s| s.parts.iter().find(|p| p.id == part.id));
            if let Some(now) = now.filter(|_| part.worth.is_none()) {
                part.worth.clone_from(&now.worth);
            }
        }
    }
    // They called every number of degrees a lag, and knew the lag tests by name.
    let lags = |test: &&mut ClinicalTest| test.kind == TestKind::Lag;
    for test in known.tests.iter_mut().filter(lags) {
        test.kind = today.test(&test.id).map_or(test.kind, |now| now.kind);
    }
    // Older releases knew the age of an item by the item's name.
    for item in &mut known.health {
        let now = today.health.iter().find(|h| h.id == item.id);
        item.above_age_years = item.above_age_years.or(now.and_then(|h| h.above_age_years));
    }
}

fn from_tables(
    tables: &BTreeMap<String, toml::Table>,
    mut faults: Vec<KnowledgeError>,
    older_than: Option<&Knowledge>,
) -> Result<Knowledge, Vec<KnowledgeError>> {
    for (name, table) in tables {
        bounds::check(name, table, &mut faults);
    }
    // What is out of bounds is not read at all: later checks compute with it.
    if !faults.is_empty() {
        return Err(faults);
    }
    let mut known = Knowledge::default();
    for (name, table) in tables {
        read_file(name, table, &mut known, &mut faults);
    }
    if let Some(today) = older_than {
        complete(&mut known, today);
    }
    resolve_spans(&mut known, &mut faults);
    names::all(&known, &mut faults);
    clinical_tests::all(&known, &mut faults);
    if older_than.is_none() {
        names::thresholds(&known, &mut faults);
        names::lexicon(&known, &mut faults);
        flags::all(&known, &mut faults);
        names::paths_and_loads(&known, &mut faults);
        if faults.is_empty() {
            pathways::reach(&known, &mut faults);
            gates::all(&known, &mut faults);
            asks::all(&known, &mut faults);
            advice::all(&known, &mut faults);
        }
    }
    if !faults.is_empty() {
        return Err(faults);
    }
    known.quantities.sort_by_key(|q| q.order);
    known.red_flags.sort_by_key(|f| f.tier);
    known.hypotheses.sort_by_key(|h| h.order);
    known.tests.sort_by_key(|t| t.order);
    known.dropped_floors = known
        .pathways
        .values()
        .flat_map(|pathway| {
            pathway.corridors.iter().flat_map(|corridor| {
                corridor
                    .dropped_floors()
                    .into_iter()
                    .map(|(day, floor)| DroppedFloor {
                        pathway: pathway.id.clone(),
                        quantity: corridor.id.clone(),
                        day,
                        floor,
                    })
            })
        })
        .collect();
    known.canonical = serde_json::to_string(tables).unwrap_or_default();
    known.sha256 = Sha256::digest(known.canonical.as_bytes())
        .iter()
        .map(|byte| format!("{byte:02x}"))
        .collect();
    Ok(known)
}

/// Turns ladders and rungs of the phases into exercises.
fn resolve_spans(known: &mut Knowledge, faults: &mut Vec<KnowledgeError>) {
    let Knowledge {
        pathways,
        exercises,
        ..
    } = known;
    for (id, pathway) in pathways {
        for phase in &mut pathway.phases {
            let mut ids = |field: &str, spans: &[RungSpan]| {
                spans
                    .iter()
                    .flat_map(|span| {
                        span.resolve(exercises.values()).unwrap_or_else(|problem| {
                            let file = format!("pathways/{id}.toml");
                            faults.push(KnowledgeError::at(&file, &phase.id, field, problem));
                            Vec::new()
                        })
                    })
                    .collect()
            };
            phase.exercises = ids("exercises", &phase.spans);
            phase.clinician = ids("clinician", &phase.clinician_spans);
        }
    }
}
