//! Writes an invented patient the way a clinician would have entered it.

use super::person::{AEL, AEU, ER, PE, Person};
use chrono::{Days, NaiveDate};
use ritorno_core::facts::{
    Answer, Attestation, Clearance, FlagAnswer, GatePass, LogEntry, LogFact, Measurement, Score,
    Start, StopReason, Story, SurgeonLimit, TakenBy, Task,
};
use ritorno_core::flags::CauseKind;
use ritorno_core::knowledge::Setting;
use ritorno_core::plan::plan_chart;
use ritorno_core::safety::scheduled_lines;
use ritorno_core::snapshot::{ProgramV1, VisitV1};
use ritorno_core::visit::visit_view;
use ritorno_server::{AppState, assess, refresh_lane};
use ritorno_store::contact::Care;
use ritorno_store::episode::Patient;
use ritorno_store::event::Via;
use ritorno_store::{
    EpisodeId, PatientId, PgConnection, StoreError, UserId, contact, episode, event, events, flags,
    limits, log, measurement, program, visit,
};
use uuid::Uuid;

pub(crate) fn add(
    state: &AppState,
    conn: &mut PgConnection,
    treats: UserId,
    p: &Person,
) -> Result<(), StoreError> {
    let today = state.today.date();
    let day0 = today
        .checked_sub_days(Days::new(u64::from(p.day.unsigned_abs())))
        .ok_or(StoreError::Unreadable("demo date"))?;
    let on = |day: i32| {
        day0.checked_add_days(Days::new(u64::from(day.unsigned_abs())))
            .unwrap_or(today)
    };
    let id = EpisodeId::new();
    let birth: NaiveDate = p
        .born
        .parse()
        .map_err(|_| StoreError::Unreadable("demo birth date"))?;
    let patient = Patient {
        id: PatientId::new(),
        given_name: p.given.into(),
        family_name: p.family.into(),
        birth,
    };
    let story = Story {
        setting: Setting::Specialist,
        mechanism: p.mechanism.into(),
        work: p.work.into(),
        clearance: Some(Clearance {
            role: "surgeon".into(),
            on: day0,
        }),
        sling_worn: (p.start == Start::Surgery).then_some(p.day < 42),
        modifiers: p.modifiers.iter().map(|m| (*m).to_owned()).collect(),
        health: p.health.iter().map(|h| (*h).to_owned()).collect(),
        tasks: vec![Task {
            label: p.task.0.into(),
            score: 2,
            asks: Some(p.task.1.into()),
        }],
        kit: [
            "bed", "table", "cloth", "stick", "towel", "wall", "ball", "pulley", "elastic",
            "weight",
        ]
        .map(str::to_owned)
        .to_vec(),
        other_side: ritorno_core::facts::OtherSide::Sound,
        ..Story::begun(p.pathway, p.side, day0, p.start)
    };
    event::entered_on(conn, on(1))?;
    episode::insert(conn, &patient, id, &story, on(1))?;
    taken_on(conn, id, treats, on(1))?;
    let answers: Vec<FlagAnswer> = state
        .knowledge
        .red_flags
        .iter()
        .filter(|f| f.asked)
        .map(|f| FlagAnswer {
            flag: f.id.clone(),
            answer: Answer::No,
            on: on(1),
            id: Uuid::now_v7(),
            about: Vec::new(),
            because: None,
        })
        .collect();
    for answer in &answers {
        flags::add_answer(conn, id, answer, Via::Clinic)?;
    }
    for (quantity, ceiling, until_day) in p.limits {
        let limit = SurgeonLimit {
            id: Uuid::now_v7(),
            quantity: (*quantity).into(),
            ceiling: *ceiling,
            floor: None,
            from: Some(on(0)),
            until_day: *until_day,
            ask_again_day: None,
            release: None,
            ended_on: None,
        };
        limits::add(conn, id, &limit, on(1))?;
    }
    for (quantity, value, day, stop) in p.measurements {
        let measurement = Measurement {
            id: Uuid::now_v7(),
            quantity: (*quantity).into(),
            side: p.side,
            value: *value,
            stop: *stop,
            by: TakenBy::Clinician,
            on: on(*day),
            arc: None,
            method: None,
            rater: None,
            remark: String::new(),
        };
        event::entered_on(conn, measurement.on)?;
        measurement::add(conn, id, &measurement)?;
    }
    if !p.measurements.is_empty() {
        for (quantity, value) in [(PE, 168.0), (ER, 62.0), (AEL, 166.0), (AEU, 164.0)] {
            let first = p.measurements[0].2;
            let measurement = Measurement {
                id: Uuid::now_v7(),
                quantity: quantity.into(),
                side: p.side.other(),
                value,
                stop: StopReason::Stiff,
                by: TakenBy::Clinician,
                on: on(first),
                arc: None,
                method: None,
                rater: None,
                remark: String::new(),
            };
            event::entered_on(conn, measurement.on)?;
            measurement::add(conn, id, &measurement)?;
        }
    }
    if let Some((value, day)) = p.rest_pain {
        events::add_score(
            conn,
            id,
            &Score {
                id: Uuid::now_v7(),
                score: "rest-pain".into(),
                value,
                on: on(day),
            },
        )?;
    }
    for (code, day) in p.attested {
        events::add_attestation(
            conn,
            id,
            &Attestation {
                id: Uuid::now_v7(),
                code: (*code).into(),
                holds: true,
                on: on(*day),
            },
        )?;
    }
    for (gate, day) in p.passed {
        events::add_gate_pass(
            conn,
            id,
            &GatePass {
                id: Uuid::now_v7(),
                gate: (*gate).into(),
                on: on(*day),
                overridden: Default::default(),
            },
        )?;
    }
    if let Some(built) = p.built {
        build_and_log(state, conn, p, id, built, &on)?;
    }
    sign_note(state, conn, id, on((p.day - 7).max(1)), p.note)?;
    answer_texts(state, conn, id, on((p.day - 7).max(1)))?;
    refresh_lane(state, conn, id).map_err(|error| StoreError::Other(error.to_string()))?;
    Ok(())
}

/// Somebody treats the shoulder.
pub(crate) fn taken_on(
    conn: &mut PgConnection,
    episode: EpisodeId,
    treats: UserId,
    on: NaiveDate,
) -> Result<(), StoreError> {
    let care = Care {
        id: Uuid::now_v7(),
        on,
        who: Some(treats),
    };
    contact::add_care(conn, episode, &care).map(|_| ())
}

/// Signs a note with what the page would have shown on that day.
pub(crate) fn sign_note(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
    day: NaiveDate,
    body: &str,
) -> Result<(), StoreError> {
    let facts = episode::load(conn, id, day)?.facts;
    let shown = VisitV1::from(&visit_view(&assess(&state.knowledge, &facts)?));
    let note = visit::Note::new(day, body.to_owned(), &shown)?;
    event::entered_on(conn, day)?;
    visit::add(conn, Uuid::now_v7(), id, &note).map(|_| ())
}

/// What the invented texts ask about was asked about on the day they were written: the answer was no.
pub(crate) fn answer_texts(
    state: &AppState,
    conn: &mut PgConnection,
    id: EpisodeId,
    day: NaiveDate,
) -> Result<(), StoreError> {
    let facts = episode::load(conn, id, day)?.facts;
    for flag in assess(&state.knowledge, &facts)?.flags {
        let texts = flag.causes.iter().filter(|c| c.kind == CauseKind::Text);
        let about: Vec<String> = texts.map(|c| c.key.clone()).collect();
        if about.is_empty() {
            continue;
        }
        let answer = FlagAnswer {
            id: Uuid::now_v7(),
            flag: flag.flag,
            answer: Answer::No,
            on: day,
            about,
            because: None,
        };
        flags::add_answer(conn, id, &answer, Via::Clinic)?;
    }
    Ok(())
}

pub(crate) fn build_and_log(
    state: &AppState,
    conn: &mut PgConnection,
    p: &Person,
    id: EpisodeId,
    built: i32,
    on: &impl Fn(i32) -> NaiveDate,
) -> Result<(), StoreError> {
    // The program as it was built on that day, with what was known then.
    let mut facts = episode::load(conn, id, on(built))?.facts;
    facts.measurements.retain(|r| r.on <= on(built));
    facts.gate_passes.retain(|g| g.on <= on(built));
    let (lines, snapshot) = {
        let assessment = assess(&state.knowledge, &facts)?;
        let ctx = assessment.ctx();
        let lines = assessment.propose(id.0).lines;
        let mut signed = facts.clone();
        signed.lines.clone_from(&lines);
        let chart = plan_chart(&ctx, &signed);
        let kept = ProgramV1::of(1, 1, &facts.story.pathway, &facts.limits, &chart);
        (lines, kept)
    };
    // What was asked of the patient on each day: nothing that waits for a gate.
    let mut known = episode::load(conn, id, state.today.date())?.facts;
    known.lines.clone_from(&lines);
    let assessment = assess(&state.knowledge, &known)?;
    let planned = |day: i32| -> Vec<_> {
        scheduled_lines(&assessment.ctx(), &known, day)
            .into_iter()
            .cloned()
            .collect()
    };
    program::save(conn, id, 0, &state.knowledge.sha256, &lines)?;
    event::entered_on(conn, on(built))?;
    program::sign(conn, id, &snapshot, on(built))?;
    for day in (p.day - 13).max(built)..p.day {
        event::entered_on(conn, on(day))?;
        let log = |conn: &mut PgConnection, exercise: Option<&str>, fact: LogFact| {
            log::add(
                conn,
                id,
                &LogEntry {
                    id: Uuid::now_v7(),
                    on: on(day),
                    exercise: exercise.map(str::to_owned),
                    fact,
                    remark: String::new(),
                },
                Via::Clinic,
            )
            .map(|_| ())
        };
        // Days of the week are spread evenly.
        let due = |week: u32| (day * week as i32) / 7 != ((day - 1) * week as i32) / 7;
        for line in planned(day).iter().filter(|l| due(l.dose.days_per_week)) {
            // One day in six a session was missed.
            let sessions = if day % 6 == 0 {
                line.dose.times_per_day.saturating_sub(1)
            } else {
                line.dose.times_per_day
            };
            log(
                conn,
                Some(&line.exercise),
                LogFact::Done {
                    sessions,
                    repetitions: line.dose.repetitions,
                },
            )?;
        }
        // The morning after a bad day is worse.
        let bad = |d: i32| p.flare.is_some_and(|flare| flare == d);
        log(
            conn,
            None,
            LogFact::PainBefore {
                value: f64::from(1 + day % 2),
            },
        )?;
        log(
            conn,
            None,
            LogFact::PainDuring {
                value: if bad(day) { 5.0 } else { 2.0 },
            },
        )?;
        log(
            conn,
            None,
            LogFact::PainNextMorning {
                value: if bad(day - 1) { 4.0 } else { 1.0 },
            },
        )?;
    }
    // Asked this morning, before the patient came in.
    let morning = LogFact::PainNextMorning {
        value: if p.flare == Some(p.day - 1) { 4.0 } else { 1.0 },
    };
    log::add(
        conn,
        id,
        &LogEntry {
            id: Uuid::now_v7(),
            on: on(p.day),
            exercise: None,
            fact: morning,
            remark: String::new(),
        },
        Via::Clinic,
    )?;
    if let Some(day) = p.flare {
        log::add(
            conn,
            id,
            &LogEntry {
                id: Uuid::now_v7(),
                on: on(day),
                exercise: None,
                fact: LogFact::FlareDay,
                remark: String::new(),
            },
            Via::Clinic,
        )?;
    }
    if let Some(day) = p.slip {
        log::add(
            conn,
            id,
            &LogEntry {
                id: Uuid::now_v7(),
                on: on(day),
                exercise: Some("active-elevation-to-shoulder-height".into()),
                fact: LogFact::Slip,
                remark: String::new(),
            },
            Via::Clinic,
        )?;
    }
    Ok(())
}
