//! The rules of the house: the core opens nothing, and every word it says has a sentence.

use std::collections::{BTreeMap, BTreeSet};
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

/// The rooms from the ground up: each may use only those before it.
const ROOMS: [&str; 23] = [
    "calendar",
    "confidence",
    "permission",
    "reason",
    "mechanics",
    "knowledge",
    "facts",
    "rules",
    "context",
    "safety",
    "ranges",
    "force",
    "progress",
    "flags",
    "assessment",
    "reading",
    "plan",
    "deciding",
    "lanes",
    "visit",
    "week",
    "snapshot",
    "admission",
];

/// The code of a file without comments and without its own tests.
fn plain(text: &str) -> String {
    let code = text.split("#[cfg(test)]").next().unwrap_or(text);
    let lines = code
        .lines()
        .map(|line| line.split("//").next().unwrap_or(line));
    lines.collect::<Vec<_>>().join("\n")
}

/// What follows each `prefix` in `code`: `a` of `prefix::a::B`, `a` and `c` of `prefix::{a::B, c}`.
fn named_after(code: &str, prefix: &str) -> BTreeSet<String> {
    let word = |text: &str| -> String {
        let text = text.trim_start();
        text.chars()
            .take_while(|c| c.is_alphanumeric() || *c == '_')
            .collect()
    };
    let mut out = BTreeSet::new();
    for (at, _) in code.match_indices(prefix) {
        let rest = &code[at + prefix.len()..];
        let Some(inner) = rest.strip_prefix('{') else {
            out.insert(word(rest));
            continue;
        };
        let mut depth = 1;
        let mut start = 0;
        for (i, c) in inner.char_indices() {
            match c {
                '{' => depth += 1,
                '}' => depth -= 1,
                _ => {}
            }
            if depth == 0 || (depth == 1 && c == ',') {
                out.insert(word(&inner[start..i]));
                start = i + 1;
            }
            if depth == 0 {
                break;
            }
        }
    }
    out.remove("");
    out
}

/// Every file below `src` of a crate: its module path, and the module paths that its code names.
fn uses(folder: &str) -> BTreeMap<String, BTreeSet<String>> {
    let root = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join(folder);
    let module = |name: &str| {
        let name = name.trim_end_matches(".rs").replace('/', "::");
        name.trim_end_matches("::mod").to_owned()
    };
    let files: BTreeMap<String, String> = ritorno_shelf::below(&root, "rs")
        .expect("sources")
        .into_iter()
        .filter(|file| !file.name.ends_with("lib.rs") && !file.name.ends_with("main.rs"))
        .map(|file| (module(&file.name), plain(&file.text)))
        .collect();
    assert!(!files.is_empty(), "{folder} is empty");
    let found = files.iter().map(|(name, code)| {
        let room = name.rsplit_once("::").map(|(room, _)| room);
        let beside = |word: &String| match room {
            Some(room) => format!("{room}::{word}"),
            None => word.clone(),
        };
        let mut named: BTreeSet<String> = named_after(code, "crate::");
        named.extend(named_after(code, "super::").iter().map(beside));
        named.retain(|other| files.contains_key(other) && other != name);
        (name.clone(), named)
    });
    found.collect()
}

/// A way from `from` back to itself, if there is one.
fn circle(graph: &BTreeMap<String, BTreeSet<String>>, from: &str) -> bool {
    let mut seen = BTreeSet::new();
    let mut waiting: Vec<&String> = graph[from].iter().collect();
    while let Some(next) = waiting.pop() {
        if next == from {
            return true;
        }
        if seen.insert(next) {
            waiting.extend(graph[next].iter());
        }
    }
    false
}

#[test]
fn a_room_uses_only_the_rooms_below_it() {
    let below = |room: &str| {
        let at = ROOMS.iter().position(|known| *known == room);
        at.unwrap_or_else(|| panic!("{room} is not in the list of rooms"))
    };
    for (file, named) in uses("src") {
        let own = file.split("::").next().unwrap_or(&file);
        for other in named {
            let room = other.split("::").next().unwrap_or(&other);
            let inside = room == own && other.contains("::");
            assert!(
                inside || below(room) < below(own),
                "{file} reaches up or around to {other}: inside a room name the file, outside it a room further down"
            );
        }
    }
}

#[test]
fn no_two_files_use_each_other() {
    for folder in [
        "src",
        "../figure/src",
        "../formats/src",
        "../handout/src",
        "../instruments/src",
        "../ritorno/src",
        "../server/src",
        "../store/src",
    ] {
        let graph = uses(folder);
        for file in graph.keys() {
            assert!(
                !circle(&graph, file),
                "{folder}/{file} stands in a circle: {:?}",
                graph[file]
            );
        }
    }
}

/// A number that nobody reads is no rule: who changes it changes nothing.
#[test]
fn every_threshold_is_read_by_a_rule_or_named_by_a_row() {
    let root = std::path::Path::new(env!("CARGO_MANIFEST_DIR"));
    let code: String = ritorno_shelf::below(&root.join("src"), "rs")
        .expect("sources")
        .iter()
        .map(|file| {
            // The list that the loader holds them against is no reader.
            let (before, after) = file.text.split_once("REQUIRED_THRESHOLDS").unzip();
            match (file.name.ends_with("knowledge/set.rs"), before, after) {
                (true, Some(before), Some(after)) => {
                    let rest = after.split_once("];").map_or("", |(_, rest)| rest);
                    format!("{before}{rest}")
                }
                _ => file.text.clone(),
            }
        })
        .collect();
    let rows: String = super::shoulder::files()
        .iter()
        .filter(|file| file.name != "thresholds.toml")
        .map(|file| file.text.as_str())
        .collect();
    // Three words are put together from one stem.
    let stems = ["agreement-"];
    let unread: Vec<&String> = super::shoulder::known()
        .thresholds
        .keys()
        .filter(|id| !stems.iter().any(|stem| id.starts_with(stem)))
        .filter(|id| {
            let quoted = format!("\"{id}\"");
            !code.contains(&quoted) && !rows.contains(&quoted)
        })
        .collect();
    assert!(unread.is_empty(), "nobody reads {unread:?}");
}
