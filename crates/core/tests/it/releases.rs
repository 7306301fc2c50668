//! Releases from before something became a row: they read as they did then, and lack nothing that a rule reads today.

use super::examined::{find, word};
use super::knowledge::refused;
use super::shoulder::*;
use ritorno_core::admission::{load, load_release};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{Found, Knowledge};
use ritorno_core::ranges::calls;
use ritorno_core::reading::score;
use serde_json::Value;

/// The shipped knowledge as a release, after `change` took something away.
fn release(change: impl FnOnce(&mut serde_json::Map<String, Value>)) -> Knowledge {
    let mut tables: Value = serde_json::from_str(&known().canonical).expect("canonical");
    change(tables.as_object_mut().expect("files"));
    load_release(&tables.to_string(), known()).unwrap_or_else(|faults| panic!("{faults:#?}"))
}

fn rows<'a>(files: &'a mut serde_json::Map<String, Value>, file: &str) -> &'a mut Vec<Value> {
    let table = files[file].as_object_mut().expect("a table");
    let rows = table.values_mut().next().expect("rows");
    rows.as_array_mut().expect("an array")
}

fn without(row: &mut Value, fields: &[&str]) {
    let row = row.as_object_mut().expect("a row");
    for field in fields {
        row.remove(*field);
    }
}

fn raised(known: &Knowledge, facts: &Facts) -> Vec<(String, String)> {
    let assessment = Assessment::new(known, facts).expect("a known pathway");
    let derived = assessment.derived.iter();
    derived.map(|d| (d.flag.clone(), d.key.clone())).collect()
}

/// A record that raises several flags and loses range.
fn troubled() -> Facts {
    let mut facts = shoulder(100);
    find(&mut facts, "axillary-sensation", word(Found::Yes));
    reply(&mut facts, "new-weakness", Answer::Yes, 99);
    for (quantity, value, day) in [
        ("passive-elevation", 160.0, 90),
        ("passive-elevation", 140.0, 98),
        ("passive-er-side", 60.0, 90),
        ("passive-er-side", 45.0, 98),
        ("active-elevation-upright", 80.0, 99),
    ] {
        read(&mut facts, quantity, value, day, StopReason::Stiff);
    }
    facts
}

#[test]
fn a_release_from_before_flags_said_what_raises_them_raises_the_same() {
    let old = release(|files| {
        for row in rows(files, "red-flags.toml") {
            without(row, &["raised_by", "says", "signs"]);
        }
    });
    let facts = troubled();
    let now = raised(known(), &facts);
    assert!(
        now.iter().any(|(f, _)| f == "nerve-finding")
            && now.iter().any(|(f, _)| f == "fall-back-range"),
        "{now:?}"
    );
    assert_eq!(raised(&old, &facts), now);
}

#[test]
fn a_release_from_before_ranges_said_their_movement_calls_for_the_same() {
    let old = release(|files| {
        for row in rows(files, "quantities.toml") {
            without(row, &["movement", "loss", "stiff_plane", "kept_up"]);
        }
    });
    let facts = troubled();
    for quantity in known().quantities.iter().map(|q| q.id.as_str()) {
        let said = |known: &Knowledge| {
            let assessment = Assessment::new(known, &facts).expect("a known pathway");
            calls(&assessment.ctx(), &facts, quantity)
        };
        assert_eq!(said(&old), said(known()), "{quantity}");
    }
    let lost = |quantity: &str| {
        let assessment = Assessment::new(&old, &facts).expect("a known pathway");
        let said = calls(&assessment.ctx(), &facts, quantity);
        said.iter().any(|r| r.rule == "range-lost")
    };
    assert!(lost("passive-elevation") && lost("passive-er-side"));
    assert_eq!(
        old.quantities.iter().filter(|q| q.kept_up).count(),
        known().quantities.iter().filter(|q| q.kept_up).count()
    );
}

#[test]
fn a_release_that_called_every_number_of_degrees_a_lag_knows_the_same_lags() {
    let old = release(|files| {
        let tests = rows(files, "tests/slipping.toml");
        let mut tests = tests.iter_mut();
        let test = tests.find(|t| t["id"] == "hyperabduction");
        test.expect("a test")["kind"] = "lag".into();
    });
    let ids = |known: &Knowledge| -> Vec<String> {
        let mut ids: Vec<String> = known.lag_tests().map(|t| t.id.clone()).collect();
        ids.sort_unstable();
        ids
    };
    assert_eq!(ids(&old), ids(known()));
    assert_eq!(ids(known()), ["drop-sign", "er-lag", "ir-lag"]);
}

#[test]
fn a_release_from_before_answers_had_a_worth_scores_the_same() {
    let old = release(|files| {
        for score in rows(files, "scores.toml") {
            let parts = score["parts"].as_array_mut().expect("parts");
            parts.iter_mut().for_each(|part| without(part, &["worth"]));
        }
    });
    let of = |known: &Knowledge| {
        let row = known.scores.iter().find(|s| s.id == "constant");
        let row = row.expect("a row");
        // Published maxima of each part: 15, 10 + 10, 40, 25 (Constant and Murley 1987, from memory).
        let answers: Vec<Option<f64>> = row
            .parts
            .iter()
            .flat_map(|p| std::iter::repeat_n(Some(p.max), p.items))
            .collect();
        score(row, &answers).expect("complete")
    };
    assert_eq!(of(&old).value, 100.0);
    assert_eq!(format!("{:?}", of(&old)), format!("{:?}", of(known())));
}

#[test]
fn a_flag_that_a_finding_raises_is_a_row_and_no_code() {
    let mut files = files();
    let flags = files.iter_mut().find(|f| f.name == "red-flags.toml");
    flags.expect("a file").text.push_str(
        r#"
[[flag]]
id = "winging-seen"
tier = "within_days"
asked = false
actions = ["nerve-checked"]
source = "our choice"
confidence = "C"

[[flag.raised_by]]
by = "finding"
test = "wall-push-winging"
words = ["obvious"]
unoperated = true

[[flag.raised_by]]
by = "together"
flags = [["fit"], ["nerve-finding", "new-weakness"]]
"#,
    );
    let more = load(&files).unwrap_or_else(|faults| panic!("{faults:#?}"));
    let raises = |facts: &Facts| {
        raised(&more, facts)
            .iter()
            .filter(|(f, _)| f == "winging-seen")
            .count()
    };
    let mut facts = shoulder(40);
    facts.story.start = Start::Injury;
    facts.story.pathway = "first-dislocation".into();
    facts.story.clearance = None;
    find(&mut facts, "wall-push-winging", word(Found::Subtle));
    assert_eq!(raises(&facts), 0, "subtle is not obvious");
    find(&mut facts, "wall-push-winging", word(Found::Obvious));
    assert_eq!(raises(&facts), 1);
    reply(&mut facts, "fit", Answer::Yes, 40);
    assert_eq!(raises(&facts), 1, "a fit alone");
    find(&mut facts, "axillary-sensation", word(Found::Yes));
    assert_eq!(raises(&facts), 2, "with what a finding raised");
    facts.story.start = Start::Surgery;
    assert_eq!(
        raises(&facts),
        1,
        "the finding speaks without an operation only"
    );
}

#[test]
fn what_a_flag_or_a_range_names_must_be_there() {
    let flags = "red-flags.toml";
    let raised_by = "raised_by[0]";
    for (from, to, row, field) in [
        (
            "test = \"axillary-sensation\"\nwords",
            "test = \"axillary-sense\"\nwords",
            "nerve-finding",
            ".test",
        ),
        (
            "words = [\"yes\"]",
            "words = [\"apprehension\"]",
            "nerve-finding",
            ".words",
        ),
        (
            "at_most = \"locked-rotation-deg\"",
            "at_most = \"locked-deg\"",
            "locked-rotation",
            ".at_most",
        ),
        (
            "quantity = \"passive-er-side\"",
            "quantity = \"passive-er\"",
            "locked-rotation",
            ".quantity",
        ),
        (
            "above = \"active-passive-gap-deg\"",
            "above = \"gap\"",
            "active-passive-gap",
            ".above",
        ),
        (
            "from_week = \"active-passive-gap-week\"",
            "from_week = \"week\"",
            "active-passive-gap",
            ".from_week",
        ),
        (
            "loss = \"active-loss-deg\"",
            "loss = \"loss\"",
            "active-loss",
            ".loss",
        ),
        (
            "active_below = \"acute-tear-active-deg\"",
            "active_below = \"below\"",
            "acute-tear",
            ".active_below",
        ),
        (
            "lag = \"lag-positive-deg\"",
            "lag = \"lag\"",
            "acute-tear",
            ".lag",
        ),
        (
            "call = \"range-lost\", answered = \"new-weakness\"",
            "call = \"range-lost\", answered = \"weakness\"",
            "fall-back-range",
            ".calls",
        ),
        (
            "flags = [[\"fit\"], [\"locked-arm\"",
            "flags = [[\"fits\"], [\"locked-arm\"",
            "fit-locked",
            ".flags",
        ),
        // A flag that waits for itself never comes.
        (
            "flags = [[\"fit\"], [\"locked-arm\"",
            "flags = [[\"fit-locked\"], [\"locked-arm\"",
            "fit-locked",
            ".flags",
        ),
    ] {
        refused(flags, from, to, row, &format!("{raised_by}{field}"));
    }
    refused(
        flags,
        "call = \"sudden-er-gain\"",
        "call = \"sudden-gain\"",
        "over-ceiling-sudden",
        "raised_by[0].calls",
    );
    refused(
        flags,
        "[[flag.raised_by]]\nby = \"watch\"\n",
        "",
        "pathway-stop",
        "raised_by",
    );
    refused(
        "quantities.toml",
        "loss = \"elevation-loss-deg\"",
        "loss = \"elevation-lost\"",
        "passive-elevation",
        "loss",
    );
}
