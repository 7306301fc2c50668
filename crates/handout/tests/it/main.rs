//! The sheet, checked by poppler's tools.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

mod drawn;
mod italian;
mod reading;

use chrono::{Days, NaiveDate};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{HealingClock, HowHeld, Knowledge, Weekdays};
use ritorno_core::mechanics::{Arm, PullPoint};
use ritorno_core::rules::GateRule;
use ritorno_core::visit::untried;
use ritorno_handout::{HandoutInput, SheetForm, contents, render, undrawn};
use ritorno_wording::Wording;
use std::process::Command;
use uuid::Uuid;

/// Five weeks and three days after day 0 of a pathway: everything asked and cleared, nothing planned yet.
fn begun(known: &Knowledge, pathway: &str) -> Facts {
    begun_for(known, pathway, 38)
}

/// An elastic as the clinic measured it.
fn measured(level: u32, label: &str, simulated: bool, on: NaiveDate) -> Calibration {
    let points = [(25.0, 8.0), (50.0, 12.0), (100.0, 17.0), (150.0, 22.0)];
    Calibration {
        level,
        label: label.to_owned(),
        points: points
            .map(|(elongation_pct, force_n)| PullPoint {
                elongation_pct,
                force_n,
            })
            .to_vec(),
        on,
        simulated,
    }
}

/// So many days after day 0.
fn begun_for(known: &Knowledge, pathway: &str, days: u64) -> Facts {
    let today: NaiveDate = "2027-03-01".parse().expect("a date");
    let day0 = today - Days::new(days);
    let start = match known.pathways[pathway].clock {
        HealingClock::Operation => Start::Surgery,
        HealingClock::None => Start::Gradual,
        _ => Start::Injury,
    };
    let kit = "bed table cloth stick towel wall ball pulley elastic weight";
    let story = Story {
        clearance: Some(Clearance {
            role: "surgeon".into(),
            on: day0,
        }),
        kit: kit.split(' ').map(str::to_owned).collect(),
        other_side: OtherSide::Sound,
        ..Story::begun(pathway, Arm::Right, day0, start)
    };
    let birth = "1979-05-12".parse().expect("a date");
    let mut facts = Facts::new(today, birth, story);
    let no = |flag: &str| FlagAnswer {
        flag: flag.into(),
        answer: Answer::No,
        on: today,
        id: Uuid::now_v7(),
        about: Vec::new(),
        because: None,
    };
    let asked = known.red_flags.iter().filter(|f| f.asked);
    facts.flag_answers = asked.map(|f| no(&f.id)).collect();
    facts
}

/// The lines that are proposed for it.
fn planned(known: &Knowledge, mut facts: Facts) -> Facts {
    let assessment = Assessment::new(known, &facts).expect("a pathway");
    facts.lines = assessment.propose(Uuid::from_u128(1)).lines;
    facts
}

/// Everything that is planned was done in the room once.
fn tried(known: &Knowledge, mut facts: Facts) -> Facts {
    let assessment = Assessment::new(known, &facts).expect("a pathway");
    let notes = untried(&assessment.ctx(), &facts)
        .into_iter()
        .map(|exercise| ExamNote {
            id: Uuid::now_v7(),
            on: facts.today,
            fact: ExamFact::TryOut {
                exercise,
                went: TryOutWord::Clean,
            },
        });
    facts.exam_notes.extend(notes.collect::<Vec<_>>());
    facts
}

/// A repair in its second phase, with two limits and a program built for it.
fn rigger(known: &Knowledge) -> Facts {
    let mut facts = begun(known, "cuff-repair-small-medium");
    let today = facts.today;
    let limit = |quantity: &str, ceiling| SurgeonLimit {
        id: Uuid::now_v7(),
        quantity: quantity.into(),
        ceiling,
        floor: None,
        from: None,
        until_day: Some(42),
        ask_again_day: None,
        release: None,
        ended_on: None,
    };
    facts.limits = vec![
        limit("passive-elevation", 120.0),
        limit("passive-er-side", 30.0),
    ];
    facts.gate_passes = vec![GatePass {
        id: Uuid::now_v7(),
        gate: "to-protected-passive".into(),
        on: today,
        overridden: [("rest-pain".to_owned(), "asked".to_owned())].into(),
    }];
    planned(known, facts)
}

fn clinic() -> ClinicDefaults {
    ClinicDefaults {
        clinic_name: "Molo Nove".to_owned(),
        telephone: "00 555 0142".to_owned(),
        hours: "Monday to Friday, 8 to 18".to_owned(),
        opening: (1..=5)
            .map(|weekday| OpenHours {
                weekday,
                from: "08:00:00".parse().expect("a time"),
                until: "18:00:00".parse().expect("a time"),
            })
            .collect(),
        ..ClinicDefaults::default()
    }
}

/// A sheet on disk, asked by one of poppler's tools; it goes when this does.
struct Printed(std::path::PathBuf);

impl Printed {
    fn of(known: &Knowledge, wording: &Wording, facts: &Facts) -> Printed {
        Printed::named(known, wording, facts, "Nerio Falanga")
    }

    fn named(known: &Knowledge, wording: &Wording, facts: &Facts, name: &str) -> Printed {
        Printed::formed(known, wording, facts, name, SheetForm::default())
    }

    fn formed(
        known: &Knowledge,
        wording: &Wording,
        facts: &Facts,
        name: &str,
        form: SheetForm,
    ) -> Printed {
        let assessment = Assessment::new(known, facts).expect("a pathway");
        let input = HandoutInput {
            ctx: &assessment.ctx(),
            facts,
            name,
            version: 1,
            signed_on: facts.today,
            clinic: &clinic(),
        };
        let pdf = render(wording, &input, &form).expect("a sheet");
        let file = std::env::temp_dir().join(format!("sheet-{}.pdf", Uuid::now_v7()));
        std::fs::write(&file, &pdf).expect("written");
        Printed(file)
    }

    fn ask(&self, name: &str, args: &[&str]) -> String {
        let out = Command::new(name)
            .args(args)
            .arg(&self.0)
            .args(if name == "pdftotext" { &["-"][..] } else { &[] })
            .output()
            .expect("poppler-utils is installed");
        assert!(
            out.status.success(),
            "{name}: {}",
            String::from_utf8_lossy(&out.stderr)
        );
        String::from_utf8_lossy(&out.stdout).into_owned()
    }
}

impl Drop for Printed {
    fn drop(&mut self) {
        let _ = std::fs::remove_file(&self.0);
    }
}

/// One in four pathways here, all in `./test --long`: a sheet takes a second.
#[test]
fn the_sheet_of_every_pathway_speaks_in_words() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let long = std::env::var("RITORNO_COURSES").is_ok();
    let pathways: Vec<&str> = known
        .pathways
        .values()
        .filter(|p| !p.phases.is_empty())
        .map(|p| p.id.as_str())
        .collect();
    assert!(pathways.len() >= 20, "{pathways:?}");
    for pathway in pathways.into_iter().step_by(if long { 1 } else { 4 }) {
        let facts = planned(&known, begun(&known, pathway));
        let text = Printed::of(&known, &wording, &facts).ask("pdftotext", &["-layout"]);
        for wanted in ["Nerio Falanga", "Stop and call us"] {
            assert!(
                text.contains(wanted),
                "{pathway} without {wanted:?}:\n{text}"
            );
        }
        for unit in ["°", " deg", "N·m", " newton", "{", "paper-", "landmark-"] {
            assert!(!text.contains(unit), "{pathway} prints {unit:?}:\n{text}");
        }
    }
}

#[test]
fn the_sheet_is_a4_tagged_embedded_and_readable() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let mut facts = rigger(&known);
    // Nothing new goes home untried: one of today's exercises is left out of the room on purpose.
    let untried = untried(
        &Assessment::new(&known, &facts).expect("a pathway").ctx(),
        &facts,
    );
    assert!(untried.len() >= 3, "{untried:?}");
    let (waits, tried) = untried.split_last().expect("some");
    facts.exam_notes = tried
        .iter()
        .map(|exercise| ExamNote {
            id: Uuid::now_v7(),
            on: facts.today,
            fact: ExamFact::TryOut {
                exercise: exercise.clone(),
                went: TryOutWord::Clean,
            },
        })
        .collect();
    // The limit was shown in the room three times: once too low to be told now, once as it is, once beyond it.
    facts.exam_notes.extend(
        [
            (80.0, "the door handle"),
            (115.0, "the top shelf"),
            (130.0, "the lamp"),
        ]
        .map(|(degrees, words)| ExamNote {
            id: Uuid::now_v7(),
            on: facts.today,
            fact: ExamFact::Landmark {
                quantity: "passive-elevation".into(),
                degrees,
                words: words.into(),
            },
        }),
    );
    facts.appointments.push(Appointment {
        id: Uuid::now_v7(),
        on: facts.today,
        day: "2027-03-05".parse().expect("a date"),
        time: "09:30:00".parse().expect("a time"),
        minutes: 30,
        how: HowHeld::Room,
    });
    facts.home_hours = Some(HomeHours {
        id: Uuid::now_v7(),
        on: facts.today,
        days: Weekdays([true; 7]),
        times: ["07:30:00", "18:00:00"]
            .map(|t| t.parse().expect("a time"))
            .to_vec(),
    });
    let printed = Printed::of(&known, &wording, &facts);
    let tool = |name: &str, args: &[&str]| printed.ask(name, args);
    let info = tool("pdfinfo", &[]);
    assert!(info.contains("Tagged:          yes"), "{info}");
    assert!(info.contains("(A4)"), "{info}");
    let pages: u32 = info
        .lines()
        .find_map(|l| l.strip_prefix("Pages:"))
        .expect("pages")
        .trim()
        .parse()
        .expect("a number");
    assert!(pages <= 2, "{pages} pages");
    let fonts = tool("pdffonts", &[]);
    assert!(fonts.lines().skip(2).count() >= 2, "{fonts}");
    for font in fonts.lines().skip(2) {
        assert!(
            font.contains("RitornoSans") && font.contains("yes yes yes"),
            "embedded, subset, with a text map: {font}"
        );
    }
    let text = tool("pdftotext", &["-layout"]);
    for wanted in [
        "For Nerio Falanga",
        "5 weeks and 3 days",
        "Your hours for this: 07:30, 18:00",
        "Lying lift with the other hand",
        "2 rounds of 10",
        "Elbow no higher than your mouth",
        "This arm rests.",
        "Stop and call us",
        "Not yet",
        "does not replace it",
        "Now the arm is moved for you",
        "A bad day",
        "Tick what you have done",
        "Mon 1",
        "Your next appointment: 5 March 2027 at 09:30",
    ] {
        assert!(text.contains(wanted), "no {wanted:?} in:\n{text}");
    }
    let running = flat(&tool("pdftotext", &[]));
    assert!(
        running.contains("Bad day: 1 round of 10, go less far"),
        "{running}"
    );
    assert!(running.contains("shown: the top shelf"), "{running}");
    assert!(!text.contains("the lamp") && !text.contains("door handle"));
    let name = wording.say(&format!("ex-{waits}"), &[]);
    let listed = text
        .split_once("we try these together first")
        .expect("the list of what waits")
        .1;
    assert!(
        listed.contains(&name) && !tried.contains(waits),
        "{name} waits"
    );
    assert_eq!(
        text.matches(&name).count(),
        1,
        "{name} is named and neither explained nor ticked"
    );
    assert!(
        !text.contains('°') && !text.contains(" deg") && !text.contains(" N·m"),
        "no degrees and no newtons on patient pages"
    );
    assert!(
        !text.contains("paper-") && !text.contains("landmark-"),
        "a wording key shows:\n{text}"
    );
    // Every picture has words for those who do not see it.
    let tags = tool("pdfinfo", &["-struct-text"]);
    let figures = tags.matches("Figure").count();
    let assessment = Assessment::new(&known, &facts).expect("a pathway");
    let told = contents(
        &wording,
        &HandoutInput {
            ctx: &assessment.ctx(),
            facts: &facts,
            name: "Nerio Falanga",
            version: 1,
            signed_on: facts.today,
            clinic: &clinic(),
        },
    );
    let limits = told["limits"].as_array().expect("limits");
    let drawn = limits.iter().filter(|row| !row["figure"].is_null()).count();
    assert!(drawn >= 2, "limits are drawn: {limits:?}");
    assert!(figures >= tried.len() + drawn, "{figures} figures\n{tags}");
    // What nothing is allowed of is not drawn: a drawing shows how far.
    let none = limits.iter().find(|row| {
        row["how"]
            .as_str()
            .is_some_and(|how| how.starts_with("Do not lift"))
    });
    assert!(none.expect("no lifting by itself")["figure"].is_null());
}

/// A text without its line breaks.
fn flat(text: &str) -> String {
    text.split_whitespace().collect::<Vec<_>>().join(" ")
}

/// Every word on a sheet but the names of its files.
fn words(value: &serde_json::Value) -> String {
    match value {
        serde_json::Value::String(text) => format!("{text}\n"),
        serde_json::Value::Array(list) => list.iter().map(words).collect(),
        serde_json::Value::Object(fields) => {
            let read = fields.iter().filter(|(name, _)| *name != "figure");
            read.map(|(_, value)| words(value)).collect()
        }
        _ => String::new(),
    }
}

/// Every sheet of every pathway, read as its owner reads it: words of another shoulder, things that are not needed and numbers that
/// nobody can use at home do not stand there.
#[test]
fn every_sheet_speaks_of_this_shoulder_and_of_nothing_that_cannot_be_used() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let (mut explained, mut worn, mut far, mut named) = (0, 0, 0, 0);
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        for days in [4, 38, 75, 120, 190] {
            let mut facts = begun_for(&known, &pathway.id, days);
            let opened: Vec<GatePass> = {
                let begun = Assessment::new(&known, &facts).expect("a pathway");
                let open = |g: &&GateRule| g.opens_day <= days as i32;
                let gates = begun.ctx().rules.gates.iter().filter(open);
                gates
                    .map(|gate| GatePass {
                        id: Uuid::now_v7(),
                        gate: gate.id.clone(),
                        on: facts.today,
                        overridden: Default::default(),
                    })
                    .collect()
            };
            facts.gate_passes = opened;
            let mut facts = planned(&known, facts);
            // All that the plan will ever bring and that may be done today already.
            let today = days as i32;
            for line in &mut facts.lines {
                line.from_day = line.from_day.min(today);
                line.to_day = line.to_day.max(today + 7);
            }
            let mut facts = tried(&known, facts);
            facts.elastics = [(1, "red door", false), (2, "invented", true)]
                .map(|(level, label, simulated)| measured(level, label, simulated, facts.today))
                .to_vec();
            let assessment = Assessment::new(&known, &facts).expect("a pathway");
            let ctx = assessment.ctx();
            let input = HandoutInput {
                ctx: &ctx,
                facts: &facts,
                name: "Nerio Falanga",
                version: 1,
                signed_on: facts.today,
                clinic: &clinic(),
            };
            let sheet = contents(&wording, &input);
            let exercises = sheet["exercises"].as_array().expect("a list");
            explained += exercises.len();
            let text = words(&sheet);
            let about = format!("{}, day {days}: {text}", pathway.id);
            assert_ne!(sheet["phase"], "", "no plain words for the phase: {about}");
            let lower = text.to_lowercase();
            let spoken = ctx.rules.spoken(ctx.today);
            let operated = pathway.clock == HealingClock::Operation;
            assert_eq!(lower.contains("operated arm"), operated, "{about}");
            assert!(operated || !lower.contains("operat"), "{about}");
            if ctx.rules.sling.is_none() {
                assert!(!lower.contains("sling"), "{about}");
            }
            for exercise in exercises {
                let told = words(exercise);
                worn += usize::from(told.contains("sling"));
                assert!(spoken.sling || !told.contains("sling"), "{about}");
            }
            for wrong in [
                "%", "°", " deg", "newton", "N·m", "{", "paper-", "ex-", "kit-", "fault-", "NaN",
                "null",
            ] {
                assert!(!text.contains(wrong), "{wrong:?} in {about}");
            }
            for block in exercises {
                let dose = block["dose"].as_str().expect("a dose");
                assert!(
                    !dose.contains('.') || dose.contains(" kg") || dose.contains(" m from"),
                    "{dose}"
                );
                // A distance is told in what somebody has at hand, a level by what the clinic calls it.
                far += usize::from(dose.contains(" m from there, about "));
                let shoes = dose.matches("shoe length").count();
                assert_eq!(dose.matches(" m from there").count(), shoes, "{dose}");
                named += usize::from(dose.contains("elastic level 1, red door"));
                assert!(!dose.contains("invented"), "{dose}");
                let held = dose
                    .split_once("hold ")
                    .and_then(|(_, rest)| rest.split(' ').next());
                let seconds = held.map_or(0, |s| s.trim_end_matches(',').parse().expect("seconds"));
                assert!(seconds <= 100, "{dose}");
                let soft = ["gentl", "lightly", "softly"]
                    .iter()
                    .any(|w| block["how"].as_str().expect("how").contains(w));
                assert!(!(soft && dose.contains("press ")), "{block}");
            }
            // What the list asks for, an exercise on the sheet needs.
            let needed: Vec<String> = exercises
                .iter()
                .flat_map(|block| {
                    let id = block["figure"]
                        .as_str()
                        .expect("a file")
                        .trim_end_matches(".svg");
                    known.exercises[id]
                        .kit
                        .iter()
                        .map(|item| wording.say(&format!("kit-{item}"), &[]))
                })
                .collect();
            if needed.is_empty() {
                assert_eq!(sheet["kit"], wording.say("paper-kit-none", &[]), "{about}");
            } else {
                let asked = sheet["kit"].as_str().expect("kit").len();
                let mut once = needed.clone();
                once.sort();
                once.dedup();
                assert_eq!(asked, once.join(", ").len(), "{about}");
            }
            // Not yet is what will come; how things are done stands apart.
            for habit in known.precautions.iter().filter(|p| p.habit) {
                let words = wording.say(&format!("precaution-{}", habit.id), &[]);
                let avoid = sheet["avoid"].as_array().expect("a list");
                assert!(
                    !avoid.iter().any(|a| *a == words.as_str()),
                    "{words} in {about}"
                );
            }
        }
    }
    assert!(
        explained > 500 && worn > 5 && far > 5 && named > 5,
        "{explained} explained, {worn} with a sling, {far} from an anchor, {named} by a name"
    );
}
