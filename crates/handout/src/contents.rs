//! What stands on the sheet, in words: everything but the drawings.

use crate::dose::{dose_text, easier_text};
use crate::landmarks::{limit_rows, session_limit};
use crate::opening::answers_when;
use crate::week::{days_text, hours_text, week};
use ritorno_core::calendar::{Clock, date_of};
use ritorno_core::context::CheckContext;
use ritorno_core::deciding::bad_day;
use ritorno_core::facts::{ClinicDefaults, Facts, Language, Line};
use ritorno_core::knowledge::{Dose, Exercise, Group, HealingClock, Helper, Knowledge, Level};
use ritorno_core::mechanics::{Arm, Load};
use ritorno_core::plan::{May, advice, may, plan_chart};
use ritorno_core::rules::{ArmWord, reached_phase};
use ritorno_core::safety::running_lines;
use ritorno_core::visit::untried;
use ritorno_wording::{Value, Wording, capital};
use serde_json::{Value as Json, json};

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
    /// What the clinic says of itself: its name, whom to call and when.
    pub clinic: &'a ClinicDefaults,
}

/// The exercises that are explained today: what runs and was tried in the room.
pub(crate) fn explained<'a>(input: &HandoutInput<'a>) -> Vec<(&'a Exercise, &'a Line)> {
    let HandoutInput { ctx, facts, .. } = *input;
    // Nothing new goes home untried: what was not done in the room yet is named, not explained.
    let waits = untried(ctx, facts);
    let mut explained: Vec<_> = running_lines(ctx, facts, ctx.today)
        .into_iter()
        .filter(|line| !waits.contains(&line.exercise))
        .filter_map(|line| Some((ctx.known.exercises.get(&line.exercise)?, line)))
        .collect();
    // What warms comes first and what is heavy last; else in the order of the program.
    explained.sort_by_key(|(exercise, _)| exercise.hardest());
    explained
}

/// The file of an exercise's drawing beside the sheet.
/// The drawing of a limit, beside the sheet.
pub(crate) fn limit_file(quantity: &str) -> String {
    format!("limit-{quantity}.svg")
}

pub(crate) fn figure_file(exercise: &Exercise) -> String {
    format!("{}.svg", exercise.id)
}

/// How much pain is all right, and how soon it must be gone.
///
/// Quick work in the program is named with its own bound.
fn pain_text(
    ctx: &CheckContext,
    wording: &Wording,
    explained: &[(&Exercise, &Line)],
    day: i32,
) -> String {
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
    let quick = explained
        .iter()
        .map(|(exercise, _)| ctx.rules.pain_max(ctx.known, Some(exercise), day))
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

/// A dose as somebody counts it: sets, repetitions, seconds.
fn counted(known: &Knowledge, dose: &Dose) -> Json {
    let pace = known.pace();
    json!({
        "sets": dose.sets, "repetitions": dose.repetitions, "hold_s": dose.hold_s, "rest_s": dose.rest_s,
        "duration_s": dose.duration_s, "times_per_day": dose.times_per_day, "tempo_s": dose.tempo_s,
        "structure": dose.structure, "repetition_s": pace.repetition_s, "breath_s": pace.breath_s,
    })
}

/// One exercise as the sheet explains it.
fn exercise_block(
    input: &HandoutInput,
    wording: &Wording,
    exercise: &Exercise,
    line: &Line,
) -> Json {
    let HandoutInput { ctx, facts, .. } = *input;
    let day = ctx.today;
    let spoken = ctx.rules.spoken(day);
    let say = |part: &str| wording.exercise(&exercise.id, part, spoken);
    let title = wording.say(&format!("ex-{}", exercise.id), &[]);
    let faults: Vec<String> = exercise
        .faults
        .iter()
        .map(|f| wording.to_patient(&format!("fault-{f}"), spoken))
        .collect();
    let watch = if faults.is_empty() {
        String::new()
    } else {
        let (list, faults) = (Value::Text(""), faults.join(", "));
        wording.say(
            "paper-watch",
            &[("list", list), ("faults", Value::Text(&faults))],
        )
    };
    let mut cues: Vec<String> = ctx
        .rules
        .style
        .cues_of(exercise)
        .into_iter()
        .map(|cue| wording.say(&format!("cue-{cue}"), &[]))
        .collect();
    // What slipped is never drawn forward by the elastic before it works.
    if spoken.arm == ArmWord::Slipped && matches!(exercise.load, Load::Elastic { .. }) {
        cues.push(wording.say("paper-from-slack", &[]));
    }
    let (what, task) = (Value::Text(""), say("task"));
    let easier = bad_day(ctx.known, exercise, &line.dose);
    json!({
        "id": exercise.id,
        "count": counted(ctx.known, &line.dose),
        "easier_count": counted(ctx.known, &easier.dose),
        "easier": easier_text((ctx.known, wording), facts, line, &easier),
        "on_days": days_text(wording, line),
        "weekdays": line.dose.days(),
        "alt": format!("{title}. {}", say("how")),
        "name": title,
        "figure": figure_file(exercise),
        "dose": dose_text(ctx.known, wording, facts, (exercise, line)),
        "arm": wording.say(which_arm(exercise), &[]),
        "start": say("start"),
        "how": say("how"),
        "cues": cues.join(" "),
        "limit": session_limit(ctx, wording, exercise, day),
        "watch": watch,
        "task": wording.say("paper-task", &[("what", what), ("task", Value::Text(&task))]),
    })
}

/// The precautions of a day: what is not done yet, or how things are done every day.
fn precautions(input: &HandoutInput, wording: &Wording, habit: bool) -> Vec<String> {
    let HandoutInput { ctx, facts, .. } = *input;
    let of_kind = |id: &str| {
        let row = ctx.known.precautions.iter().find(|row| row.id == id);
        let concerns = row.is_none_or(|row| {
            row.health.is_empty() || row.health.iter().any(|h| facts.story.health.contains(h))
        });
        concerns && row.is_some_and(|row| row.habit) == habit
    };
    plan_chart(ctx, facts)
        .precautions
        .iter()
        .filter(|p| (p.from_day..p.to_day).contains(&ctx.today) && of_kind(&p.id))
        .map(|p| wording.say(&format!("precaution-{}", p.id), &[]))
        .collect()
}

/// Before when something of daily life is not done.
fn may_line(wording: &Wording, facts: &Facts, may: &May) -> String {
    let what = wording.say(&format!("may-{}", may.id), &[]);
    let date = date_of(facts.story.day0, may.from_day)
        .map(|day| wording.date(day))
        .unwrap_or_default();
    let args = [("what", Value::Text(&what)), ("date", Value::Text(&date))];
    wording.say("paper-may-not-before", &args)
}

/// Whom to call and when somebody answers; nothing where the clinic has not said.
fn call_text(wording: &Wording, clinic: &ClinicDefaults, reads: Language) -> String {
    let said = [
        ("paper-call", clinic.telephone.clone()),
        ("paper-call-hours", answers_when(wording, clinic, reads)),
    ];
    let said = said.iter().filter(|(_, text)| !text.trim().is_empty());
    said.map(|(id, text)| wording.say(id, &[("text", Value::Text(text))]))
        .collect::<Vec<_>>()
        .join(" ")
}

/// What the phase is about, in plain words; nothing for a phase of the clinic's own that has none.
fn phase_text(ctx: &CheckContext, facts: &Facts, wording: &Wording) -> String {
    let reached = reached_phase(ctx.rules, facts);
    let phase = ctx.rules.phases.iter().find(|p| p.number == reached);
    phase
        .map(|phase| format!("paper-phase-{}", phase.id))
        .filter(|id| wording.has(id))
        .map_or_else(String::new, |id| wording.say(&id, &[]))
}

/// The next appointment, where one is made.
fn next_text(wording: &Wording, facts: &Facts) -> String {
    let coming = facts.appointments.iter().filter(|a| a.day >= facts.today);
    let Some(next) = coming.min_by_key(|a| (a.day, a.time)) else {
        return String::new();
    };
    let date = wording.date(next.day);
    let time = next.time.format("%H:%M").to_string();
    let args = [("date", Value::Text(&date)), ("time", Value::Text(&time))];
    wording.say("paper-next", &args)
}

/// Everything on the sheet of today but the drawings, as the template reads it.
pub fn contents(wording: &Wording, input: &HandoutInput) -> Json {
    let HandoutInput {
        ctx,
        facts,
        name,
        version,
        signed_on,
        clinic,
    } = *input;
    let day = ctx.today;
    let spoken = ctx.rules.spoken(day);
    let date = |day: i32| {
        date_of(facts.story.day0, day)
            .map(|day| wording.date(day))
            .unwrap_or_default()
    };
    let number = |n: i32| Value::Number(f64::from(n));
    let plain = |id: &str| wording.say(id, &[]);
    let side = plain(match facts.story.side {
        Arm::Left => "side-left",
        Arm::Right => "side-right",
    });
    let explained = explained(input);
    let waits = untried(ctx, facts);
    let mut kit: Vec<String> = Vec::new();
    for item in explained.iter().flat_map(|(exercise, _)| &exercise.kit) {
        let item = plain(&format!("kit-{item}"));
        if !kit.contains(&item) {
            kit.push(item);
        }
    }
    let until = explained
        .iter()
        .map(|(_, line)| line.to_day)
        .min()
        .unwrap_or(day + 7)
        .clamp(day + 7, day + 14);
    let clock = Clock::at(day);
    let sling = match &ctx.rules.sling {
        Some(s) if day < s.day_and_night_until => {
            let date = date(s.day_and_night_until);
            wording.say("paper-sling-all", &[("date", Value::Text(&date))])
        }
        Some(s) if day < s.nights_until => {
            let date = date(s.nights_until);
            wording.say("paper-sling-nights", &[("date", Value::Text(&date))])
        }
        Some(_) => plain("paper-sling-none"),
        None => String::new(),
    };
    let operated = ctx.rules.clock == HealingClock::Operation;
    let since = match ctx.rules.clock {
        HealingClock::Operation => "paper-day",
        HealingClock::None => "paper-day-program",
        _ => "paper-day-injury",
    };
    // After a replacement the bone of the blade is watched.
    let blade = ctx.known.red_flag("blade-bone-pain");
    let replaced = blade.is_some_and(|f| f.pathways.contains(&ctx.rules.column));
    let wound = if operated {
        "paper-stop-4"
    } else {
        "paper-stop-4-plain"
    };
    let mut stop = vec!["paper-stop-1", "paper-stop-2", "paper-stop-3", wound];
    stop.extend(replaced.then_some("paper-stop-blade"));
    let limits: Vec<Json> = limit_rows(ctx, facts, wording, day)
        .into_iter()
        .map(|row| {
            let figure = row.way.is_some().then(|| limit_file(row.quantity));
            json!({ "what": row.what, "how": row.how, "figure": figure })
        })
        .collect();
    let signed = wording.date(signed_on);
    let (from, last) = (date(day), date(until - 1));
    let arm = [
        ("arm", Value::Text(spoken.arm.key())),
        ("side", Value::Text(&side)),
    ];
    let since_day = [("weeks", number(clock.weeks)), ("days", number(clock.days))];
    let signed = [
        ("date", Value::Text(&signed)),
        ("version", number(version)),
        ("clinic", Value::Text(&clinic.clinic_name)),
    ];
    let signed_by = match clinic.clinic_name.as_str() {
        "" => "paper-signed-plain",
        _ => "paper-signed",
    };
    let span = [("from", Value::Text(&from)), ("until", Value::Text(&last))];
    let mut told = json!({
        "lang": facts.story.reads.code(),
        "region": facts.story.reads.region(),
        "title": plain("paper-title"),
        "name": name,
        "for_line": wording.say("paper-for", &[("name", Value::Text(name))]),
        "clock": wording.say(since, &since_day),
        "signed": wording.say(signed_by, &signed),
        "page": plain("paper-page"),
        "arm": wording.say("paper-arm", &arm),
        "limits_title": plain("paper-limits"),
        "limits": limits,
        "sling_title": if sling.is_empty() { String::new() } else { plain("paper-sling") },
        "sling": sling,
        "avoid_title": plain("paper-avoid"),
        "avoid": precautions(input, wording, false),
        "avoid_none": plain("paper-avoid-none"),
        "habits_title": plain("paper-habits"),
        "habits": precautions(input, wording, true),
        "stop_title": plain("paper-stop"),
        "stop": stop.into_iter().map(plain).collect::<Vec<_>>(),
        "stop_now": plain("paper-stop-now"),
        "call": call_text(wording, clinic, facts.story.reads),
        "pain": format!("{} {}", pain_text(ctx, wording, &explained, day), plain("paper-still-worse")),
        "advice_title": plain("paper-advice"),
        "advice": advice(ctx, facts).iter().map(|id| wording.to_patient(&format!("advice-{id}"), spoken)).collect::<Vec<_>>(),
        "may_title": plain("paper-may"),
        "may": may(ctx).iter().map(|may| may_line(wording, facts, may)).collect::<Vec<_>>(),
        "bad_day_title": plain("paper-bad-day"),
        "bad_day": plain("paper-bad-day-text"),
        "kit_title": plain("paper-kit"),
        "kit": if kit.is_empty() { plain("paper-kit-none") } else { capital(&kit.join(", ")) },
        "exercises_title": wording.say("paper-exercises", &span),
        "exercises": explained.iter().map(|(exercise, line)| exercise_block(input, wording, exercise, line)).collect::<Vec<_>>(),
        "no_lines": if waits.is_empty() { plain("paper-no-lines") } else { String::new() },
        "waits": waits.iter().map(|id| plain(&format!("ex-{id}"))).collect::<Vec<_>>().join(", "),
        "waits_title": plain("paper-waits"),
        "safety": plain("paper-safety"),
    });
    for (name, value) in [
        ("week_title", plain("paper-week").into()),
        ("week", week(wording, (ctx, facts), &explained)),
        ("hours", hours_text(wording, facts).into()),
        ("phase", phase_text(ctx, facts, wording).into()),
        ("next", next_text(wording, facts).into()),
        ("start_word", plain("paper-start").into()),
        ("end_word", plain("paper-end").into()),
        ("code_text", plain("paper-code").into()),
    ] {
        told[name] = value;
    }
    told
}
