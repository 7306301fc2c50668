//! Signed programs stay readable for ever: one golden file a version, made by `RITORNO_GOLDEN=write cargo test`.

use super::plans::plan;
use super::shoulder::*;
use ritorno_core::episode::StopReason;
use ritorno_core::program::{SNAPSHOT_VERSION, Snapshot, read_snapshot, score_view};
use ritorno_core::visit::Assessment;

fn golden(version: i32) -> std::path::PathBuf {
    std::path::Path::new(env!("CARGO_MANIFEST_DIR"))
        .join(format!("tests/golden/program-v{version}.json"))
}

fn signed() -> Snapshot {
    let mut facts = shoulder(38);
    pass(&mut facts, "to-protected-passive", 14);
    facts.limits = vec![limit("passive-elevation", 110.0, Some(42))];
    facts.limits[0].id = uuid::Uuid::nil();
    read(
        &mut facts,
        "passive-elevation",
        101.0,
        37,
        StopReason::Stiff,
    );
    facts.lines = plan(&facts).lines;
    let assessment = Assessment::new(known(), &facts).expect("a known pathway");
    Snapshot {
        rev: 3,
        story_rev: 2,
        limits: facts.limits.clone(),
        score: score_view(&assessment.ctx(), &facts),
    }
}

#[test]
fn every_version_ever_written_is_read() {
    if std::env::var("RITORNO_GOLDEN").as_deref() == Ok("write") {
        let text = serde_json::to_string_pretty(&signed()).expect("json");
        std::fs::write(golden(SNAPSHOT_VERSION), text).expect("written");
    }
    for version in 1..=SNAPSHOT_VERSION {
        let text =
            std::fs::read_to_string(golden(version)).expect("a golden file for every version");
        let body: serde_json::Value = serde_json::from_str(&text).expect("json");
        let kept = read_snapshot(version, body)
            .unwrap_or_else(|error| panic!("version {version}: {error}"));
        assert_eq!(
            (kept.rev, kept.story_rev, kept.limits[0].ceiling),
            (3, 2, 110.0)
        );
        assert_eq!(kept.score.today.day, 38);
        assert!(kept.score.lines.len() > 15 && kept.score.gates.len() == 5);
        assert_eq!(kept.score.corridors[0].readings[0].value, 101.0);
    }
}

#[test]
fn what_is_written_today_reads_back_as_it_was_and_the_future_is_refused() {
    let kept = signed();
    let body = serde_json::to_value(&kept).expect("json");
    assert_eq!(
        read_snapshot(SNAPSHOT_VERSION, body.clone()).expect("reads"),
        kept
    );
    assert!(read_snapshot(SNAPSHOT_VERSION + 1, body).is_err());
    assert!(read_snapshot(1, serde_json::json!({ "rev": 1 })).is_err());
}
