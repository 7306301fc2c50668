//! The loader: what it accepts, and how it names what it refuses.

use super::shoulder::{CUFF, files, known, rules};
use ritorno_core::admission::KnowledgeError;
use ritorno_core::admission::{load, load_release};
use ritorno_core::rules::Ceiling;

pub fn with(file: &str, from: &str, to: &str) -> Vec<KnowledgeError> {
    let mut all = files();
    let target = all
        .iter_mut()
        .find(|f| f.name == file)
        .expect("such a file");
    assert!(target.text.contains(from), "{file} does not contain {from}");
    target.text = target.text.replacen(from, to, 1);
    load(&all).err().unwrap_or_default()
}

pub fn refused(file: &str, from: &str, to: &str, row: &str, field: &str) {
    let faults = with(file, from, to);
    assert!(
        faults
            .iter()
            .any(|f| f.file == file && f.row == row && f.field.contains(field)),
        "expected {file} / {row} / {field}, got {faults:#?}"
    );
}

#[test]
fn the_shipped_files_load_and_hold_what_was_asked_for() {
    let known = known();
    assert!(
        known.exercises.len() >= 200,
        "{} exercises",
        known.exercises.len()
    );
    // Twenty pathways, some of them in grades or sizes, and the one for a shoulder that has none.
    assert_eq!(known.pathways.len(), 25);
    assert!(
        known
            .pathways
            .values()
            .filter(|p| p.id != "no-operation")
            .all(|p| p.phases.len() >= 4 && p.gates.len() == p.phases.len() - 1)
    );
    assert!(
        known.modifiers.len() >= 12
            && known
                .pathways
                .values()
                .map(|p| p.schools.len())
                .sum::<usize>()
                >= 40
    );
    assert!(
        known
            .references
            .values()
            .all(|r| r.recalled == "from memory")
    );
    // Rotation at 90° opens at week 8, so its week-9 floor would call a shoulder stiff after seven days.
    let dropped: Vec<_> = known
        .dropped_floors
        .iter()
        .map(|d| (d.quantity.as_str(), d.day))
        .collect();
    assert!(
        dropped.contains(&("passive-er-90", 63)) && dropped.contains(&("passive-elevation", 14)),
        "{dropped:?}"
    );
    // The same files give the same release; a changed word gives another.
    assert_eq!(load(&files()).expect("loads").sha256, known.sha256);
}

#[test]
fn every_fault_names_file_row_and_field() {
    let pathway = "pathways/cuff-repair-small-medium.toml";
    let cuff = "tests/cuff.toml";
    refused(
        cuff,
        "sensitivity = 0.735",
        "sensitivity = 1.735",
        "painful-arc",
        "accuracy[0].sensitivity",
    );
    refused(
        cuff,
        "hypothesis = \"subacromial-pain\"",
        "hypothesis = \"sorcery\"",
        "painful-arc",
        "accuracy[0].hypothesis",
    );
    refused(
        cuff,
        "positive = [\"familiar\"]",
        "positive = [\"apprehension\"]",
        "painful-arc",
        "accuracy[0].positive",
    );
    refused(
        cuff,
        "kind = \"lag\"",
        "kind = \"pain\"",
        "er-lag",
        "accuracy[0].positive",
    );
    refused(
        "clusters.toml",
        "\"resisted-er\"",
        "\"spurling\"",
        "impingement-three",
        "tests",
    );
    refused(
        "hypotheses.toml",
        "rho = 0.5",
        "rho = 0.9",
        "subacromial-pain",
        "rho",
    );
    // A weak test that leans on a strong one reads backwards when only the strong one is positive: refused at load.
    let labrum = "tests/labrum.toml";
    refused(
        labrum,
        "loading = 0.0",
        "loading = 0.7",
        "anterior-slide",
        "loading",
    );
    refused(
        "exercises/pendulum.toml",
        "rung = 1\n",
        "rung = 1\nflavour = \"mint\"\n",
        "pendulum-cradle",
        "flavour",
    );
    refused(
        "exercises/pendulum.toml",
        "dose = { sets = 2",
        "dose = { sets = 0",
        "pendulum-cradle",
        "dose.sets",
    );
    refused(
        "exercises/pendulum.toml",
        "elevation_deg = 10",
        "elevation_deg = 210",
        "pendulum-cradle",
        "path[0].elevation_deg",
    );
    refused(
        "exercises/pendulum.toml",
        "gates = [\"pendulum\"]",
        "gates = [\"pendulums\"]",
        "pendulum-cradle",
        "gates",
    );
    refused(
        "quantities.toml",
        "source = \"soucie-2011\"",
        "source = \"somebody\"",
        "passive-elevation",
        "source",
    );
    refused(
        "quantities.toml",
        "confidence = \"B\"",
        "",
        "passive-elevation",
        "confidence",
    );
    refused(
        pathway,
        "floor = 90.0, ceiling = 120.0",
        "floor = 130.0, ceiling = 120.0",
        "passive-elevation",
        "end_of_week=6",
    );
    refused(
        pathway,
        "kind = \"time_since\", weeks = 2",
        "kind = \"time_since\", weeks = 2, moon = 1",
        "to-protected-passive",
        "moon",
    );
    refused(
        pathway,
        "quantity = \"passive-elevation\", op = \">=\", value = 90.0",
        "quantity = \"passive-elevation\", op = \">=\", value = 290.0",
        "to-assisted",
        "criteria.elevation",
    );
    refused(
        pathway,
        "weeks = 26\n",
        "weeks = 26\nlunch = true\n",
        "-",
        "lunch",
    );
    refused(
        "thresholds.toml",
        "id = \"change-window-days\"",
        "id = \"changed-window-days\"",
        "change-window-days",
        "id",
    );
    refused(
        "red-flags.toml",
        "tier = \"same_day\"",
        "tier = \"whenever\"",
        "deformity",
        "tier",
    );
    assert!(
        with("references.toml", "[[reference]]", "[[reference")
            .iter()
            .any(|f| f.file == "references.toml")
    );
}

#[test]
fn rows_read_as_the_calendar_says() {
    let rules = rules(CUFF);
    let corridor = rules.corridor("passive-elevation").expect("a corridor");
    let at = |day| *corridor.ceilings.at(day).expect("from the beginning on");
    let up_to = |value| Ceiling::UpTo { value };
    assert_eq!(
        at(13),
        Ceiling::NoneAllowed,
        "motion is forbidden before week 2"
    );
    assert_eq!(at(14), up_to(120.0));
    assert_eq!(at(41), up_to(120.0));
    assert_eq!(at(42), up_to(155.0));
    assert_eq!(at(63), Ceiling::Free);
    assert_eq!(corridor.floors.at(41), None);
    assert_eq!(corridor.floors.at(42), Some(&90.0));
    assert_eq!(corridor.floors.at(63), Some(&130.0));
}

#[test]
fn a_stored_release_reads_back_as_the_knowledge_it_was() {
    let back =
        load_release(&known().canonical, known()).unwrap_or_else(|faults| panic!("{faults:#?}"));
    assert_eq!(back.sha256, known().sha256);
    assert_eq!(
        format!("{:?}", back.pathways),
        format!("{:?}", known().pathways)
    );
    assert_eq!(
        format!("{:?}", back.exercises),
        format!("{:?}", known().exercises)
    );
    assert!(load_release("{", known()).is_err());
}

/// Ids are Fluent keys, parts of addresses and part of every record: one that was given out is never taken away.
#[test]
fn no_exercise_id_disappears_and_each_says_its_ladder() {
    let held: Vec<&str> = include_str!("../golden/exercise-ids.txt").lines().collect();
    assert!(held.len() >= 229, "the list itself was cut");
    let gone: Vec<_> = held
        .iter()
        .filter(|id| !known().exercises.contains_key(**id))
        .collect();
    assert!(gone.is_empty(), "gone: {gone:?}");
    let new: Vec<_> = known()
        .exercises
        .keys()
        .filter(|id| !held.contains(&id.as_str()))
        .collect();
    assert!(new.is_empty(), "add to exercise-ids.txt: {new:?}");
    for exercise in known().exercises.values() {
        let what = exercise.id.strip_prefix(&format!("{}-", exercise.ladder));
        assert!(
            what.is_some_and(|w| !w.is_empty()
                && w.chars()
                    .all(|c| c.is_ascii_lowercase() || c.is_ascii_digit() || c == '-')),
            "{} says neither its ladder nor what it is",
            exercise.id
        );
    }
}

/// What a clinic types into a file of its own: each fault names file, row and field, nothing computes with it first.
#[test]
fn no_number_or_text_of_a_file_leaves_its_bounds() {
    let file = "pathways/cuff-repair-small-medium.toml";
    for (from, to, row, field) in [
        (
            "earliest_week = 6\n",
            "earliest_week = 306783379\n",
            "assisted-to-active",
            "earliest_week",
        ),
        (
            "earliest_week = 6\n",
            "earliest_week = -9223372036854775808\n",
            "assisted-to-active",
            "earliest_week",
        ),
        ("\nweeks = 26\n", "\nweeks = 2147483647\n", "-", "weeks"),
        (
            "max_minutes = 20.0\n",
            "max_minutes = nan\n",
            "protect",
            "max_minutes",
        ),
        (
            "max_minutes = 20.0\n",
            "max_minutes = 1e300\n",
            "protect",
            "max_minutes",
        ),
        (
            "\"hand-elbow 1-8\"",
            "\"hand-elbow 1-4000000000\"",
            "protect",
            "exercises[0]",
        ),
        (
            "\"hand-elbow 1-8\"",
            "\"hand-elbow 1-12\"",
            "protect",
            "exercises",
        ),
        (
            "\"hand-elbow 1-8\"",
            "\"hand-elbows 1-7\"",
            "protect",
            "exercises",
        ),
        (
            "\"hand-elbow 1-8\"",
            "\"hand-elbow\\u0000 1-7\"",
            "protect",
            "exercises",
        ),
        ("number = 1\n", "number = 4294967296\n", "protect", "number"),
    ] {
        refused(file, from, to, row, field);
    }
    refused(
        file,
        "number = 1\n",
        &format!("number = 1\nsource_note = \"{}\"\n", "x".repeat(3000)),
        "protect",
        "source_note",
    );
}

#[test]
fn an_older_release_takes_what_it_lacks_from_today_and_keeps_what_it_has() {
    let mut tables: serde_json::Value =
        serde_json::from_str(&known().canonical).expect("canonical");
    let files = tables.as_object_mut().expect("files");
    assert!(files.remove("range-demands.toml").is_some());
    let rows = files["thresholds.toml"]["threshold"]
        .as_array_mut()
        .expect("rows");
    rows.retain(|row| row["id"] != "least-stay-days");
    let kept = rows
        .iter_mut()
        .find(|row| row["id"] == "adherence-pct")
        .expect("a row");
    kept["value"] = serde_json::json!(61.0);
    let old = ritorno_core::admission::load_release(&tables.to_string(), known()).expect("loads");
    assert_eq!(old.range_demands, known().range_demands);
    assert_eq!(
        old.threshold("least-stay-days"),
        known().threshold("least-stay-days")
    );
    assert_eq!(old.threshold("adherence-pct"), 61.0, "its own stays");
}
