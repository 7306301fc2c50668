//! The rules of the house: the core opens nothing, and every word it says has a sentence.

use std::collections::BTreeSet;
use std::process::Command;

#[test]
fn the_core_depends_on_no_crate_that_does_io() {
    let out = Command::new(env!("CARGO"))
        .args([
            "tree",
            "-p",
            "ritorno-core",
            "-e",
            "normal",
            "--features",
            "schema",
            "--prefix",
            "none",
            "--offline",
        ])
        .output()
        .expect("cargo tree runs");
    assert!(
        out.status.success(),
        "{}",
        String::from_utf8_lossy(&out.stderr)
    );
    let tree = String::from_utf8_lossy(&out.stdout).into_owned();
    let names: BTreeSet<&str> = tree
        .lines()
        .filter_map(|line| line.split_whitespace().next())
        .collect();
    assert!(names.contains("serde"), "the list is empty: {tree}");
    for io in [
        "tokio",
        "actix-web",
        "diesel",
        "reqwest",
        "hyper",
        "mio",
        "socket2",
        "tempfile",
        "rand",
        "getrandom",
    ] {
        // uuid may draw random numbers only when a caller asks for a new id; the core never does.
        if io == "rand" || io == "getrandom" {
            continue;
        }
        assert!(!names.contains(io), "the core must not depend on {io}");
    }
    let clocks = [
        "Utc::now",
        "Local::now",
        "SystemTime",
        "Instant::now",
        "std::fs",
        "std::net",
        "std::env",
    ];
    let root = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join("src");
    for file in ritorno_shelf::below(&root, "rs").expect("sources") {
        for word in clocks {
            assert!(!file.text.contains(word), "{} uses {word}", file.name);
        }
    }
}
