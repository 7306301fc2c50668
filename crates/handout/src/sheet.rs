//! Filling the template and printing it.

use crate::landmarks::{limit_rows, session_limit};
use ritorno_core::calendar::{Clock, date_of};
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{Facts, Line};
use ritorno_core::knowledge::{Exercise, Group, HealingClock, Helper, Level, SetStructure};
use ritorno_core::plan::plan_chart;
use ritorno_core::safety::{resolved_path, running_lines};
use ritorno_core::visit::untried;
use ritorno_figure::{FigureSpec, figure_svg};
use ritorno_wording::{Value, Wording, capital};
use serde_json::json;
use thiserror::Error;
use typst_as_lib::TypstEngine;

const TEMPLATE: &str = include_str!("../templates/handout.typ");
const FONTS: [&[u8]; 2] = [
    include_bytes!("../fonts/Regular.ttf"),
    include_bytes!("../fonts/Bold.ttf"),
];

/// Why a sheet could not be printed.
#[derive(Debug, Error)]
pub enum HandoutError {
    /// The template does not compile with this data.
    #[error("the sheet cannot be set: {0}")]
    Typesetting(String),
    /// The pages cannot be written as PDF.
    #[error("the sheet cannot be written: {0}")]
    Writing(String),
}

/// What goes on the sheet.
#[derive(Debug, Clone, Copy)]
pub struct HandoutInput<'a> {
    /// The context of the checks.
    pub ctx: &'a CheckContext<'a>,
    /// The facts.
    pub facts: &'a Facts,
    /// The patient's name.
    pub name: &'a str,
    /// Version of the signed program.
    pub version: i32,
    /// When it was signed.
    pub signed_on: chrono::NaiveDate,
}

fn dose_text(wording: &Wording, line: &Line) -> String {
    let d = &line.dose;
    let number = |n: u32| Value::Number(f64::from(n));
    let mut parts = vec![wording.say(
        "paper-dose",
        &[
            ("sets", number(d.sets)),
            ("repetitions", number(d.repetitions)),
        ],
    )];
    if d.hold_s > 0 {
        parts.push(wording.say("paper-hold", &[("hold", number(d.hold_s))]));
    }
    if let Some(kg) = d.load_kg {
        parts.push(wording.say("paper-load", &[("load", Value::Number(kg))]));
    }
    if let Some(level) = d.elastic_level {
        parts.push(wording.say("paper-elastic", &[("level", number(level))]));
        if let Some(metres) = d.distance_m {
            parts.push(wording.say("paper-distance", &[("metres", Value::Number(metres))]));
        }
    }
    if let Some(effort) = d.effort_pct {
        parts.push(wording.say("paper-effort", &[("effort", number(effort))]));
    }
    parts.push(wording.say("paper-times", &[("times", number(d.times_per_day))]));
    parts.push(wording.say("paper-days", &[("days", number(d.days_per_week))]));
    match d.structure {
        Some(SetStructure::Circuit) => parts.push(wording.say("paper-circuit", &[])),
        Some(SetStructure::Single) => parts.push(wording.say("paper-single", &[])),
        _ => {}
    }
    if d.sets > 1 && d.rest_s > 0 && d.structure != Some(SetStructure::Circuit) {
        parts.push(wording.say("paper-rest", &[("rest", number(d.rest_s))]));
    }
    capital(&parts.join(", "))
}

/// How much pain is all right, and how soon it must be gone.
///
/// Quick work in the program is named with its own bound.
fn pain_text(ctx: &CheckContext, wording: &Wording, current: &[Line], day: i32) -> String {
    let rule = ctx.rules.pain(day);
    let (id, hours) = match rule.settles_h {
        Some(hours) => ("paper-pain", hours),
        None => ("paper-pain-morning", 0.0),
    };
    let text = wording.say(
        id,
        &[
            ("max", Value::Number(rule.max)),
            ("hours", Value::Number(hours)),
        ],
    );
    let quick = current
        .iter()
        .filter_map(|line| ctx.known.exercises.get(&line.exercise))
        .map(|exercise| ctx.rules.pain_max(ctx.known, Some(exercise), day))
        .fold(rule.max, f64::min);
    if quick < rule.max {
        let bound = wording.say("paper-pain-quick", &[("max", Value::Number(quick))]);
        return format!("{text} {bound}");
    }
    text
}

/// What the tinted arm does in an exercise, as a wording key.
fn which_arm(exercise: &Exercise) -> &'static str {
    let shoulder = [Group::Cuff, Group::Deltoid, Group::Subscapularis]
        .into_iter()
        .map(|group| exercise.demand_on(group))
        .max();
    match (shoulder, exercise.helper) {
        (Some(Level::Passive), Helper::OtherHand | Helper::Stick) => "paper-arm-rests-other",
        (Some(Level::Passive), _) => "paper-arm-rests-body",
        (Some(Level::Assisted), Helper::OtherHand | Helper::Stick | Helper::Pulley) => {
            "paper-arm-helps"
        }
        _ => "paper-arm-works",
    }
}

/// Prints the sheet for today.
///
/// # Errors
/// When the template and the data do not fit together, which the tests keep from happening.
pub fn render(wording: &Wording, input: &HandoutInput) -> Result<Vec<u8>, HandoutError> {
    let HandoutInput {
        ctx,
        facts,
        name,
        version,
        signed_on,
    } = *input;
    let day = ctx.today;
    let date = |day: i32| {
        date_of(facts.story.day0, day)
            .map(|d| d.format("%-d %B %Y").to_string())
            .unwrap_or_default()
    };
    let side = wording.say(
        if facts.story.side == ritorno_core::mechanics::Arm::Left {
            "side-left"
        } else {
            "side-right"
        },
        &[],
    );
    let score = plan_chart(ctx, facts);
    // Nothing new goes home untried: what was not done in the room yet is named, not explained.
    let waits = untried(ctx, facts);
    let current: Vec<Line> = running_lines(ctx, facts, day)
        .into_iter()
        .filter(|l| !waits.contains(&l.exercise))
        .cloned()
        .collect();
    let mut figures: Vec<(String, Vec<u8>)> = Vec::new();
    let mut kit: Vec<String> = Vec::new();
    let mut exercises = Vec::new();
    for line in &current {
        let Some(exercise) = ctx.known.exercises.get(&line.exercise) else {
            continue;
        };
        let id = format!("ex-{}", exercise.id);
        let title = wording.say(&id, &[]);
        let path = resolved_path(ctx, exercise, day);
        let limited = path.keys.last() != exercise.path().keys.last();
        let svg = figure_svg(&FigureSpec {
            exercise,
            path,
            arm: facts.story.side,
            limited,
            title: &title,
        });
        let file = format!("{}.svg", exercise.id);
        figures.push((file.clone(), svg.into_bytes()));
        for item in &exercise.kit {
            let item = wording.say(&format!("kit-{item}"), &[]);
            if !kit.contains(&item) {
                kit.push(item);
            }
        }
        let faults: Vec<String> = exercise
            .faults
            .iter()
            .map(|f| wording.say(&format!("fault-{f}"), &[]))
            .collect();
        let watch = if faults.is_empty() {
            String::new()
        } else {
            wording.say(
                "paper-watch",
                &[
                    ("list", Value::Text("")),
                    ("faults", Value::Text(&faults.join(", "))),
                ],
            )
        };
        exercises.push(json!({
            "name": title,
            "alt": format!("{title}. {}", wording.attribute(&id, "how")),
            "figure": file,
            "dose": dose_text(wording, line),
            "arm": wording.say(which_arm(exercise), &[]),
            "start": wording.attribute(&id, "start"),
            "how": wording.attribute(&id, "how"),
            "limit": session_limit(ctx, wording, exercise, day),
            "watch": watch,
            "task": wording.say("paper-task", &[("what", Value::Text("")), ("task", Value::Text(&wording.attribute(&id, "task")))]),
        }));
    }
    let until = current
        .iter()
        .map(|l| l.to_day)
        .min()
        .unwrap_or(day + 7)
        .clamp(day + 7, day + 14);
    let clock = Clock::at(day);
    let sling = match &score.sling {
        Some(s) if day < s.day_and_night_until => wording.say(
            "paper-sling-all",
            &[("date", Value::Text(&date(s.day_and_night_until)))],
        ),
        Some(s) if day < s.nights_until => wording.say(
            "paper-sling-nights",
            &[("date", Value::Text(&date(s.nights_until)))],
        ),
        Some(_) => wording.say("paper-sling-none", &[]),
        None => wording.say("paper-sling-never", &[]),
    };
    let operated = ctx.rules.clock == HealingClock::Operation;
    let since = match ctx.rules.clock {
        HealingClock::Operation => "paper-day",
        HealingClock::None => "paper-day-program",
        _ => "paper-day-injury",
    };
    let plain = |id: &str| wording.say(id, &[]);
    // After a replacement the bone of the blade is watched.
    let blade = ctx.known.red_flag("blade-bone-pain");
    let replaced = blade.is_some_and(|f| f.pathways.contains(&ctx.rules.column));
    let data = json!({
        "title": plain("paper-title"),
        "name": name,
        "for_line": wording.say("paper-for", &[("name", Value::Text(name))]),
        "clock": wording.say(since, &[("weeks", Value::Number(f64::from(clock.weeks))), ("days", Value::Number(f64::from(clock.days)))]),
        "signed": wording.say("paper-signed", &[("date", Value::Text(&signed_on.format("%-d %B %Y").to_string())), ("version", Value::Number(f64::from(version)))]),
        "page": plain("paper-page"),
        "arm": wording.say(if operated { "paper-arm" } else { "paper-arm-sore" }, &[("side", Value::Text(&side))]),
        "limits_title": plain("paper-limits"),
        "limits": limit_rows(ctx, wording, day).into_iter().map(|(what, how)| json!({ "what": what, "how": how })).collect::<Vec<_>>(),
        "sling_title": plain("paper-sling"),
        "sling": sling,
        "avoid_title": plain("paper-avoid"),
        "avoid": score.precautions.iter().filter(|p| (p.from_day..p.to_day).contains(&day)).map(|p| plain(&format!("precaution-{}", p.id))).collect::<Vec<_>>(),
        "stop_title": plain("paper-stop"),
        "stop": (1..=3).map(|i| format!("paper-stop-{i}")).chain([if operated { "paper-stop-4" } else { "paper-stop-4-plain" }.to_owned()]).chain(replaced.then(|| "paper-stop-blade".to_owned())).map(|id| plain(&id)).collect::<Vec<_>>(),
        "stop_now": plain("paper-stop-now"),
        "pain": pain_text(ctx, wording, &current, day),
        "kit_title": plain("paper-kit"),
        "kit": if kit.is_empty() { plain("paper-kit-none") } else { capital(&kit.join(", ")) },
        "exercises_title": wording.say("paper-exercises", &[("from", Value::Text(&date(day))), ("until", Value::Text(&date(until - 1)))]),
        "exercises": exercises,
        "no_lines": if waits.is_empty() { plain("paper-no-lines") } else { String::new() },
        "waits": waits.iter().map(|id| plain(&format!("ex-{id}"))).collect::<Vec<_>>().join(", "),
        "waits_title": plain("paper-waits"),
        "safety": plain("paper-safety"),
    });
    figures.push(("data.json".to_owned(), data.to_string().into_bytes()));
    print(figures)
}

fn print(files: Vec<(String, Vec<u8>)>) -> Result<Vec<u8>, HandoutError> {
    let engine = TypstEngine::builder()
        .main_file(TEMPLATE)
        .fonts(FONTS)
        .with_static_file_resolver(
            files
                .iter()
                .map(|(name, bytes)| (name.as_str(), bytes.clone())),
        )
        .build();
    let document = engine
        .compile()
        .output
        .map_err(|error| HandoutError::Typesetting(error.to_string()))?;
    typst_pdf::pdf(&document, &typst_pdf::PdfOptions::default())
        .map_err(|errors| HandoutError::Writing(format!("{errors:?}")))
}
