//! The sheet, checked by poppler's tools.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

use chrono::{Days, NaiveDate};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::knowledge::{HealingClock, HowHeld, Knowledge};
use ritorno_core::mechanics::Arm;
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
    assert!(figures >= tried.len(), "{figures} figures\n{tags}");
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
    let (mut explained, mut worn) = (0, 0);
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
            let facts = tried(&known, facts);
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
        explained > 500 && worn > 5,
        "{explained} explained, {worn} with a sling"
    );
}

/// Rendered, not only asked: a letter that is missing is drawn as the same box as any other.
#[test]
fn names_of_many_tongues_are_drawn_and_what_cannot_be_is_told() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let facts = tried(&known, rigger(&known));
    let ink = |name: &str| {
        let sheet = Printed::named(&known, &wording, &facts, name);
        let read = sheet.ask("pdftotext", &["-l", "1"]);
        let picture = sheet.0.with_extension("");
        let cut = ["-l", "1", "-r", "100", "-singlefile", "-gray", "-H", "200"];
        let out = Command::new("pdftoppm")
            .args(cut)
            .args([&sheet.0, &picture])
            .output()
            .expect("poppler-utils is installed");
        assert!(out.status.success());
        let drawn = std::fs::read(picture.with_extension("pgm")).expect("a picture");
        let _ = std::fs::remove_file(picture.with_extension("pgm"));
        (read, drawn)
    };
    let mut pictures = Vec::new();
    for name in [
        "Žofie Łukášová-Ğört",
        "Nguyễn Thị Hạnh",
        "Ελένη Παπαδάκη",
        "Їван Шевчук",
        "Ștefan Ţîrlea",
    ] {
        assert_eq!(undrawn(name), "", "{name}");
        let (read, drawn) = ink(name);
        assert!(
            read.contains(name),
            "{name} is not read from the sheet: {read}"
        );
        pictures.push(drawn);
    }
    pictures.dedup();
    assert_eq!(pictures.len(), 5, "two names look the same");
    // Boxes: names of the same length in letters that nobody holds look alike, and are told.
    assert_eq!(undrawn("山 田山 Ada"), "山田");
    assert_eq!(ink("山田").1, ink("川口").1);
}

/// Letter paper, large print, and the link for a camera: read from the picture of the page by another library.
#[test]
fn the_sheet_comes_on_letter_paper_in_large_print_and_with_a_link() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let facts = tried(&known, rigger(&known));
    let address = "https://clinic.invalid/h#abcdefghijklmnopqrstuvwxyz";
    let code = qrcode::QrCode::new(address).expect("a code");
    let code = code.render::<qrcode::render::svg::Color>().build();
    let form = SheetForm {
        letter: true,
        large: true,
        code: Some(&code),
    };
    let printed = Printed::formed(&known, &wording, &facts, "Nerio Falanga", form);
    let info = printed.ask("pdfinfo", &[]);
    assert!(
        info.contains("(letter)") && info.contains("Tagged:          yes"),
        "{info}"
    );
    let text = flat(&printed.ask("pdftotext", &[]));
    assert!(text.contains("point its camera here"), "{text}");
    // The heights of words, in points: nothing that is to be read stands smaller than 12.
    let boxes = printed.ask("pdftotext", &["-bbox"]);
    let height = |line: &str| {
        let of = |name: &str| -> Option<f64> {
            line.split_once(name)?.1.split('"').nth(1)?.parse().ok()
        };
        Some(of("yMax")? - of("yMin")?)
    };
    let word = boxes.lines().find(|line| {
        line.contains(">comfortably<") || line.contains(">limit.<") || line.contains(">heavy.<")
    });
    assert!(word.and_then(height).expect("a word") >= 15.0, "{word:?}");
    let picture = printed.0.with_extension("");
    let out = Command::new("pdftoppm")
        .args(["-l", "1", "-r", "200", "-singlefile", "-gray"])
        .args([&printed.0, &picture])
        .output()
        .expect("poppler-utils is installed");
    assert!(out.status.success());
    let drawn = std::fs::read(picture.with_extension("pgm")).expect("a picture");
    let _ = std::fs::remove_file(picture.with_extension("pgm"));
    // A head of three numbers (width, height, 255), then a byte a point.
    let mut head = drawn.splitn(4, |byte| byte.is_ascii_whitespace());
    let mut number = || -> usize {
        let part = head.next().expect("a head");
        std::str::from_utf8(part)
            .expect("digits")
            .parse()
            .unwrap_or(0)
    };
    let (_, width, height) = (number(), number(), number());
    let points = &drawn[drawn.len() - width * height..];
    let mut page =
        rqrr::PreparedImage::prepare_from_greyscale(width, height, |x, y| points[y * width + x]);
    let found = page.detect_grids();
    assert_eq!(found[0].decode().expect("a code").1, address);
}

/// Syllables as the count of groups of vowels, a silent last *e* left out: as programs for this formula count them.
fn syllables(word: &str) -> usize {
    let word = word.to_lowercase();
    let vowel = |c: char| "aeiouy".contains(c);
    let mut count = 0;
    let mut before = false;
    for c in word.chars() {
        count += usize::from(vowel(c) && !before);
        before = vowel(c);
    }
    let silent = word.ends_with('e') && !word.ends_with("le") && count > 1;
    (count - usize::from(silent)).max(1)
}

/// Reading age in years: the grade after Kincaid et al. 1975 (*Derivation of new readability formulas for Navy enlisted personnel*;
/// the formula from memory) and five years, as a first grade is read at six.
fn reading_age(text: &str) -> f64 {
    let sentences: Vec<Vec<&str>> = text
        .split(['.', '!', '?', '\n', ':', ';'])
        .map(|sentence| {
            let words = sentence.split(|c: char| !c.is_alphabetic() && c != '\u{2019}');
            words.filter(|word| !word.is_empty()).collect::<Vec<_>>()
        })
        .filter(|words| !words.is_empty())
        .collect();
    let words: usize = sentences.iter().map(Vec::len).sum();
    let spoken: usize = sentences.iter().flatten().map(|word| syllables(word)).sum();
    let (words, sentences, spoken) = (words as f64, sentences.len() as f64, spoken as f64);
    0.39 * words / sentences + 11.8 * spoken / words - 15.59 + 5.0
}

#[test]
fn every_sheet_is_read_at_the_age_of_eleven() {
    // Whoever reads this needs more years than eleven: the formula tells the two apart.
    assert!(
        reading_age(
            "Postoperative immobilisation necessitates individualised supervision of scapulothoracic rehabilitation."
        ) > 20.0
    );
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let mut oldest = (0.0, String::new());
    for pathway in known.pathways.values().filter(|p| !p.phases.is_empty()) {
        for days in [4, 38, 120] {
            let facts = tried(
                &known,
                planned(&known, begun_for(&known, &pathway.id, days)),
            );
            let assessment = Assessment::new(&known, &facts).expect("a pathway");
            let input = HandoutInput {
                ctx: &assessment.ctx(),
                facts: &facts,
                name: "Ada",
                version: 1,
                signed_on: facts.today,
                clinic: &clinic(),
            };
            let age = reading_age(&words(&contents(&wording, &input)));
            if age > oldest.0 {
                oldest = (age, format!("{}, day {days}", pathway.id));
            }
        }
    }
    assert!(oldest.0 <= 11.0, "{oldest:?}");
}
