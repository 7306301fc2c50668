//! From text to knowledge, or to a list of faults.

use super::asks::{AttestationRow, PositionRow, PrecautionRow};
use super::bounds;
use super::check;
use super::check_asks;
use super::check_gates;
use super::check_pathway;
use super::check_tests;
use super::clinical_test::{ClinicalTest, Cluster, Hypothesis};
use super::criteria::{Criterion, CriterionKind};
use super::error::KnowledgeError;
use super::exercise::Exercise;
use super::modifier::Modifier;
use super::pathway::{
    Allowance, Corridor, DroppedFloor, Forbidden, Gate, Milestone, PainRow, Pathway, Phase,
    Precaution, Sling,
};
use super::rows::{
    AskRow, Bound, GateClass, HealthItem, NeedRow, Quantity, ReasonRow, RedFlag, Reference,
    Threshold,
};
use super::school::School;
use super::span::RungSpan;
use super::step::Step;
use super::watch::Watch;
use crate::loading::ElasticRow;
use crate::mechanics::SegmentTable;
use crate::outcome::Instrument;
use crate::strength::StrengthTest;
use serde::de::DeserializeOwned;
use sha2::{Digest, Sha256};
use std::collections::{BTreeMap, BTreeSet};

/// A file as the caller read it: its path below `knowledge/`, and its text.
#[derive(Debug, Clone)]
pub struct NamedText {
    /// E.g. `exercises/pendulum.toml`.
    pub name: String,
    /// The file's text.
    pub text: String,
}

/// Everything the application knows, checked.
#[derive(Debug, Clone, Default)]
pub struct Knowledge {
    /// Publications, by id.
    pub references: BTreeMap<String, Reference>,
    /// Measured ranges, in order of examination.
    pub quantities: Vec<Quantity>,
    /// Red flags, most urgent first.
    pub red_flags: Vec<RedFlag>,
    /// What texts may say that flags must ask about, by language.
    pub lexicon: BTreeMap<String, Vec<AskRow>>,
    /// General health that changes a plan.
    pub health: Vec<HealthItem>,
    /// Forbidden positions that a release lifts.
    pub positions: Vec<PositionRow>,
    /// Reasons that are given with one key, in order.
    pub reasons: Vec<ReasonRow>,
    /// Classes of exercises, by id.
    pub gate_classes: BTreeMap<String, GateClass>,
    /// Exercises, by id.
    pub exercises: BTreeMap<String, Exercise>,
    /// What answers a need.
    pub needs: Vec<NeedRow>,
    /// What else was done or is known, and what that tightens.
    pub modifiers: Vec<Modifier>,
    /// Schools that concern every pathway.
    pub schools: Vec<School>,
    /// What is watched for in several pathways.
    pub watches: Vec<Watch>,
    /// What rungs ask for before the next one.
    pub steps: Vec<Step>,
    /// What is attested at gates, and what it asks.
    pub attestations: Vec<AttestationRow>,
    /// What precautions go with.
    pub precautions: Vec<PrecautionRow>,
    /// Pathways, by id.
    pub pathways: BTreeMap<String, Pathway>,
    /// What a shoulder may have, in order of the page.
    pub hypotheses: Vec<Hypothesis>,
    /// Clinical tests, in order of examination.
    pub tests: Vec<ClinicalTest>,
    /// Strength in standard positions, in order.
    pub strength: Vec<StrengthTest>,
    /// Levels of elastic, until measured.
    pub elastics: Vec<ElasticRow>,
    /// What an arm weighs; the first without a sex is used.
    pub segments: Vec<SegmentTable>,
    /// Outcome scores.
    pub scores: Vec<Instrument>,
    /// Tests that were studied together.
    pub clusters: Vec<Cluster>,
    /// What a number typed into a field may be, by the field's name.
    pub bounds: BTreeMap<String, Bound>,
    /// Thresholds of the rules, by id.
    pub thresholds: BTreeMap<String, Threshold>,
    /// Floors that came too soon after their movement opened.
    pub dropped_floors: Vec<DroppedFloor>,
    /// SHA-256 of `canonical`, in hex.
    pub sha256: String,
    /// Canonical JSON of all files, for the release table.
    pub canonical: String,
}

/// Thresholds the rules name in code; the loader refuses a set without one of them.
pub(crate) const REQUIRED_THRESHOLDS: [&str; 77] = [
    "flare-least-m",
    "short-plan-minutes",
    "short-plan-exercises",
    "overdone-day-times",
    "injection-rest-days",
    "lax-young-age-years",
    "slipped-lately-days",
    "told-half-pct",
    "told-hardly-pct",
    "flare-nearer-m",
    "flag-back-days",
    "arm-share-of-body-pct",
    "helper-share-pulley",
    "helper-share-stick",
    "helper-share-hand",
    "top-sessions",
    "top-sessions-operated",
    "pain-baseline-days",
    "morning-window-days",
    "morning-rise-points",
    "morning-worse-days",
    "pain-above-sessions",
    "flare-days-in-week",
    "adherence-pct",
    "symptom-free-days",
    "overdone-pct",
    "effort-max",
    "quick-work-pain-max",
    "gap-lower-days",
    "gap-one-rung-days",
    "gap-two-rungs-days",
    "step-back-cut-pct",
    "step-back-delay-days",
    "elastic-may-repetitions",
    "elastic-must-repetitions",
    "front-back-ratio",
    "build-weight-need",
    "build-weight-goal",
    "build-weight-keep",
    "build-weight-minute",
    "over-ceiling-window-days",
    "sudden-er-gain-deg",
    "elevation-loss-deg",
    "er-loss-deg",
    "change-window-days",
    "active-passive-gap-deg",
    "active-passive-gap-week",
    "repeat-self-measure-days",
    "recent-trouble-days",
    "first-visit-new-exercises",
    "later-visit-new-exercises",
    "max-measurement-gap-days",
    "finding-max-age-days",
    "irritability-max-age-days",
    "frozen-er-share-pct",
    "frozen-er-deg",
    "frozen-plane-loss-pct",
    "frozen-planes",
    "strength-variation-pct",
    "different-rater-factor",
    "worthwhile-change-deg",
    "pectoralis-minor-short",
    "lag-positive-deg",
    "acute-tear-age-years",
    "acute-tear-active-deg",
    "acute-tear-gap-deg",
    "locked-rotation-deg",
    "irritability-pain-high",
    "irritability-pain-moderate",
    "strength-pain-limit",
    "symmetry-goal-pct",
    "response-points",
    "word-likely-pct",
    "word-likely-low-pct",
    "word-unlikely-pct",
    "word-unlikely-high-pct",
    "plan-least-bits",
];

impl Knowledge {
    /// A threshold of a rule. Every id used in code is required at load, so the fallback is never met.
    pub fn threshold(&self, id: &str) -> f64 {
        debug_assert!(
            REQUIRED_THRESHOLDS.contains(&id),
            "threshold {id} is not required at load"
        );
        self.thresholds.get(id).map_or(0.0, |row| row.value)
    }

    /// Whether a value typed into a field is possible; a field without a row is not bounded.
    ///
    /// # Errors
    /// The bound it breaks.
    pub fn possible(&self, field: &str, value: f64) -> Result<(), &Bound> {
        match self.bounds.get(field) {
            Some(bound) if !bound.holds(value) => Err(bound),
            _ => Ok(()),
        }
    }

    /// Everything that any exercise needs, once.
    pub(super) fn all_kit(&self) -> Vec<String> {
        let kit = self.exercises.values().flat_map(|e| e.kit.iter().cloned());
        kit.collect::<BTreeSet<_>>().into_iter().collect()
    }

    /// The segment table that is used: the one for everybody. A release from before there were tables has none.
    pub fn segment_table(&self) -> Option<&SegmentTable> {
        self.segments.iter().find(|t| t.sex.is_none())
    }

    /// A measured range by id.
    pub fn quantity(&self, id: &str) -> Option<&Quantity> {
        self.quantities.iter().find(|q| q.id == id)
    }

    /// A clinical test by id.
    pub fn test(&self, id: &str) -> Option<&ClinicalTest> {
        self.tests.iter().find(|t| t.id == id)
    }

    /// A hypothesis by id.
    pub fn hypothesis(&self, id: &str) -> Option<&Hypothesis> {
        self.hypotheses.iter().find(|h| h.id == id)
    }

    /// Whether a gate or a watch asks for this score, or the visit always does.
    pub fn asks_score(&self, id: &str) -> bool {
        fn asks(criterion: &Criterion, id: &str) -> bool {
            let own = match &criterion.ask {
                CriterionKind::Score { score, .. } | CriterionKind::ScoreChange { score, .. } => {
                    score == id
                }
                _ => false,
            };
            own || criterion.ask.parts().iter().any(|part| asks(part, id))
        }
        let pathways = self.pathways.values();
        let gates = pathways
            .clone()
            .flat_map(|p| p.gates.iter().flat_map(|g| &g.criteria));
        let watches = pathways
            .flat_map(|p| &p.watches)
            .chain(&self.watches)
            .flat_map(|w| &w.when);
        ["rest-pain", "task-pain"].contains(&id) || gates.chain(watches).any(|c| asks(c, id))
    }

    /// A red flag by id.
    pub fn red_flag(&self, id: &str) -> Option<&RedFlag> {
        self.red_flags.iter().find(|f| f.id == id)
    }
}

/// Loads and cross-checks all files.
///
/// # Errors
/// Every fault found, each naming file, row and field.
pub fn load(files: &[NamedText]) -> Result<Knowledge, Vec<KnowledgeError>> {
    let mut faults = Vec::new();
    let mut tables = BTreeMap::new();
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
    from_tables(&tables, faults, true)
}

impl Knowledge {
    /// This knowledge with files of a clinic's own laid beside it, checked as a whole.
    ///
    /// # Errors
    /// Every fault found, each naming file, row and field.
    pub fn with_files(&self, files: &[NamedText]) -> Result<Knowledge, Vec<KnowledgeError>> {
        let mut tables = self.tables()?;
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
        from_tables(&tables, faults, true)
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
        Ok(tables) => from_tables(&tables, Vec::new(), false).map(|mut known| {
            for (id, row) in &today.thresholds {
                known
                    .thresholds
                    .entry(id.clone())
                    .or_insert_with(|| row.clone());
            }
            known
        }),
        Err(error) => Err(vec![KnowledgeError::at(
            "release",
            "-",
            "-",
            error.to_string(),
        )]),
    }
}

fn from_tables(
    tables: &BTreeMap<String, toml::Table>,
    mut faults: Vec<KnowledgeError>,
    new: bool,
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
    resolve_spans(&mut known, &mut faults);
    check::all(&known, &mut faults);
    check_tests::all(&known, &mut faults);
    if new {
        check::thresholds(&known, &mut faults);
        check::lexicon(&known, &mut faults);
        check::flag_tests(&known, &mut faults);
        check::paths_and_loads(&known, &mut faults);
        if faults.is_empty() {
            check_pathway::reach(&known, &mut faults);
            check_gates::all(&known, &mut faults);
            check_asks::all(&known, &mut faults);
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

fn read_file(
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

fn only_section(name: &str, table: &toml::Table, section: &str, faults: &mut Vec<KnowledgeError>) {
    for key in table.keys().filter(|key| *key != section) {
        faults.push(KnowledgeError::at(
            name,
            "-",
            key,
            format!("only [[{section}]] rows belong in this file"),
        ));
    }
}

fn rows<T: DeserializeOwned + serde::Serialize>(
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
