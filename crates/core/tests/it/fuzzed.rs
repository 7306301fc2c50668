//! Whatever somebody types into a pathway file: it is refused by row and field, or a plan comes of it. Nothing falls over.

use super::shoulder::{known, shoulder};
use proptest::prelude::*;
use ritorno_core::admission::NamedText;
use ritorno_core::assessment::Assessment;
use uuid::Uuid;

/// One slip of the hand in a text.
#[derive(Debug, Clone)]
enum Slip {
    /// Another number in the place of one.
    Number(prop::sample::Index, String),
    /// A line that is gone.
    Gone(prop::sample::Index),
    /// A line that stands twice.
    Twice(prop::sample::Index),
    /// Letters in the place of a line.
    Letters(prop::sample::Index, String),
    /// Everything after a place cut off.
    Cut(prop::sample::Index),
}

fn number() -> impl Strategy<Value = String> {
    prop_oneof![
        any::<i64>().prop_map(|n| n.to_string()),
        any::<f64>().prop_map(|n| format!("{n:?}")),
        (-5_i64..400).prop_map(|n| n.to_string()),
        Just("true".to_owned()),
        Just("[]".to_owned()),
        Just("\"12\"".to_owned()),
    ]
}

fn slip() -> impl Strategy<Value = Slip> {
    let at = || any::<prop::sample::Index>();
    prop_oneof![
        6 => (at(), number()).prop_map(|(at, n)| Slip::Number(at, n)),
        2 => at().prop_map(Slip::Gone),
        1 => at().prop_map(Slip::Twice),
        1 => (at(), "\\PC{0,40}").prop_map(|(at, text)| Slip::Letters(at, text)),
        1 => at().prop_map(Slip::Cut),
    ]
}

fn slipped(text: &str, slip: &Slip) -> String {
    let mut lines: Vec<String> = text.lines().map(str::to_owned).collect();
    if lines.is_empty() {
        return String::new();
    }
    let numbered: Vec<usize> = (0..lines.len())
        .filter(|i| {
            let value = lines[*i].split_once(" = ").map_or("", |(_, v)| v);
            value.parse::<f64>().is_ok()
        })
        .collect();
    match slip {
        Slip::Number(at, number) if !numbered.is_empty() => {
            let line = &mut lines[*at.get(&numbered)];
            let name = line
                .split_once(" = ")
                .map_or("", |(name, _)| name)
                .to_owned();
            *line = format!("{name} = {number}");
        }
        Slip::Number(..) => {}
        Slip::Gone(at) => {
            lines.remove(at.index(lines.len()));
        }
        Slip::Twice(at) => {
            let i = at.index(lines.len());
            lines.insert(i, lines[i].clone());
        }
        Slip::Letters(at, text) => {
            let i = at.index(lines.len());
            lines[i].clone_from(text);
        }
        Slip::Cut(at) => lines.truncate(at.index(lines.len())),
    }
    lines.join("\n")
}

proptest! {
    #[test]
    fn any_pathway_text_is_refused_or_planned_with(
        which in any::<prop::sample::Index>(),
        slips in prop::collection::vec(slip(), 1..5),
        day in 0..400_i32,
    ) {
        let ids: Vec<&String> = known().pathways.keys().collect();
        let mut text = known()
            .pathway_file(ids[which.index(ids.len())], Some(("own-slip", "Slip")))
            .expect("a copy");
        for slip in &slips {
            text = slipped(&text, slip);
        }
        let file = NamedText { name: "pathways/own-slip.toml".into(), text };
        match known().with_files(&[file]) {
            Err(faults) => {
                prop_assert!(!faults.is_empty());
                prop_assert!(faults.iter().all(|f| !f.problem.is_empty()));
            }
            Ok(more) => {
                // A file that was cut down to nothing of its own adds nothing.
                let mut facts = shoulder(day);
                facts.story.pathway = "own-slip".into();
                if let Some(assessment) = Assessment::new(&more, &facts) {
                    let plan = assessment.propose(Uuid::nil());
                    prop_assert!(plan.lines.iter().all(|l| l.from_day <= l.to_day));
                }
            }
        }
    }
}
