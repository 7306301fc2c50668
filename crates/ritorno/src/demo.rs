//! The demo: invented patients of the Molo Nove clinic in Portoselva, relative to today.

use crate::Failure;
use crate::demo_examined::{self, EXAMINED};
use crate::demo_pathways::MORE;
use chrono::{Days, NaiveDate};
use ritorno_core::episode::{
    Answer, Attestation, Clearance, FlagAnswer, GatePass, LogEntry, LogFact, Measurement, Score,
    Start, StopReason, Story, SurgeonLimit, TakenBy, Task,
};
use ritorno_core::flags::CauseKind;
use ritorno_core::knowledge::Setting;
use ritorno_core::mechanics::Arm;
use ritorno_core::permission::Role;
use ritorno_core::program::{plan_chart, scheduled_lines};
use ritorno_core::snapshot::{ProgramV1, VisitV1};
use ritorno_core::visit::visit_view;
use ritorno_server::{AppState, assess, hash_password, new_user, refresh_lane};
use ritorno_store::episode::Patient;
use ritorno_store::{
    Actor, PgConnection, StoreError, episode, event, events, flags, knowledge, limits, measurement,
    program, user, visit, write,
};
use uuid::Uuid;

const LOGIN: &str = "demo";
const PASSWORD: &str = "molo-nove";

/// One invented patient with a program.
pub(crate) struct Person {
    pub(crate) given: &'static str,
    pub(crate) family: &'static str,
    pub(crate) born: &'static str,
    pub(crate) work: &'static str,
    pub(crate) side: Arm,
    pub(crate) mechanism: &'static str,
    pub(crate) task: (&'static str, &'static str),
    pub(crate) health: &'static [&'static str],
    /// Today's episode day.
    pub(crate) day: i32,
    /// Gates passed, with the day.
    pub(crate) passed: &'static [(&'static str, i32)],
    pub(crate) limits: &'static [(&'static str, f64, Option<i32>)],
    /// Quantity, value, day, why it stopped.
    pub(crate) measurements: &'static [(&'static str, f64, i32, StopReason)],
    pub(crate) rest_pain: Option<(f64, i32)>,
    pub(crate) attested: &'static [(&'static str, i32)],
    /// The day the program was built and signed.
    pub(crate) built: Option<i32>,
    pub(crate) slip: Option<i32>,
    /// A bad day that was said to be one.
    pub(crate) flare: Option<i32>,
    pub(crate) note: &'static str,
    pub(crate) pathway: &'static str,
    pub(crate) start: Start,
    pub(crate) modifiers: &'static [&'static str],
}

use StopReason::{AtLimit, Pain, Stiff, Weak};
pub(crate) const PE: &str = "passive-elevation";
pub(crate) const ER: &str = "passive-er-side";
const IR: &str = "passive-ir-side";
const AEL: &str = "active-elevation-lying";
pub(crate) const AEU: &str = "active-elevation-upright";
const G1: &str = "to-protected-passive";
const G2: &str = "to-assisted";
const G3: &str = "to-early-strength";
const USUAL: &[(&str, f64, Option<i32>)] = &[(PE, 120.0, Some(42)), (ER, 30.0, Some(42))];

const PEOPLE: &[Person] = &[
    Person {
        given: "Nerio",
        family: "Falanga",
        born: "1979-05-12",
        work: "stage rigger",
        side: Arm::Right,
        mechanism: "Caught a swinging truss with a straight arm",
        task: ("Pulling a hoist rope overhead", "goal-overhead"),
        health: &[],
        day: 38,
        passed: &[(G1, 15)],
        limits: USUAL,
        measurements: &[
            (PE, 72.0, 17, Pain),
            (ER, 8.0, 17, Stiff),
            (PE, 88.0, 24, Stiff),
            (ER, 14.0, 24, Stiff),
            (IR, 55.0, 24, Stiff),
            (PE, 98.0, 31, Stiff),
            (ER, 20.0, 31, Stiff),
            (PE, 108.0, 37, Stiff),
            (ER, 24.0, 37, Stiff),
        ],
        rest_pain: Some((2.0, 37)),
        attested: &[("wound-closed", 15)],
        built: Some(15),
        slip: None,
        flare: None,
        note: "Wound quiet. Sleeps in the sling. Lying lift stays heavy in the hand.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Bettina",
        family: "Oravec",
        born: "1984-11-02",
        work: "glazier",
        side: Arm::Left,
        mechanism: "Slid under a pane that tipped",
        task: ("Setting a pane at shoulder height", "goal-forward-up"),
        health: &["nicotine"],
        day: 33,
        passed: &[(G1, 14)],
        limits: USUAL,
        measurements: &[
            (PE, 85.0, 20, Stiff),
            (ER, 24.0, 20, Stiff),
            (PE, 104.0, 32, Stiff),
            (ER, 37.0, 32, Stiff),
        ],
        rest_pain: Some((3.0, 32)),
        attested: &[("wound-closed", 14)],
        built: Some(14),
        slip: None,
        flare: None,
        note: "Turned out further than agreed at home with the stick.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Silvano",
        family: "Terzi",
        born: "1966-01-29",
        work: "dry-stone waller",
        side: Arm::Right,
        mechanism: "Wear over years, then a heavy coping stone",
        task: ("Lifting a stone to chest height", "goal-carry"),
        health: &["diabetes"],
        day: 66,
        passed: &[(G1, 16), (G2, 48)],
        limits: &[],
        measurements: &[
            (PE, 70.0, 28, Stiff),
            (PE, 91.0, 47, Stiff),
            (ER, 21.0, 47, Stiff),
            (PE, 112.0, 65, Stiff),
            (ER, 31.0, 65, Stiff),
            (AEL, 92.0, 65, Weak),
            (AEU, 81.0, 65, Weak),
        ],
        rest_pain: Some((2.0, 65)),
        attested: &[("wound-closed", 16), ("no-guarding", 47)],
        built: Some(48),
        slip: None,
        flare: None,
        note: "Stiff at the end in every direction, not sore.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Imelda",
        family: "Raso",
        born: "1972-08-17",
        work: "mosaic restorer",
        side: Arm::Right,
        mechanism: "Tear found after months on a scaffold",
        task: ("Working on a vault with the arm raised", "goal-overhead"),
        health: &[],
        day: 43,
        passed: &[(G1, 14)],
        limits: &[],
        measurements: &[
            (PE, 84.0, 22, Stiff),
            (PE, 101.0, 33, Stiff),
            (ER, 22.0, 33, Stiff),
            (PE, 110.0, 41, AtLimit),
            (ER, 27.0, 41, Stiff),
        ],
        rest_pain: Some((1.0, 42)),
        attested: &[("wound-closed", 14), ("no-guarding", 41)],
        built: Some(14),
        slip: None,
        flare: None,
        note: "Ready for the six-week check.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Corrado",
        family: "Vint",
        born: "1990-03-08",
        work: "ferry deckhand",
        side: Arm::Left,
        mechanism: "Pulled by a mooring line",
        task: ("Throwing a heaving line", "goal-fast"),
        health: &[],
        day: 58,
        passed: &[(G1, 14), (G2, 43)],
        limits: &[],
        measurements: &[
            (PE, 118.0, 40, Stiff),
            (ER, 28.0, 40, Stiff),
            (PE, 134.0, 56, Stiff),
            (ER, 38.0, 56, Stiff),
            (AEL, 104.0, 56, Weak),
            (AEU, 84.0, 56, Weak),
        ],
        rest_pain: Some((2.0, 57)),
        attested: &[("wound-closed", 14), ("no-guarding", 43)],
        built: Some(43),
        slip: Some(57),
        flare: None,
        note: "Back on light deck duty, no lines.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Agata",
        family: "Mirenko",
        born: "1987-12-21",
        work: "cellist",
        side: Arm::Right,
        mechanism: "Fall-free tear, long bowing season",
        task: ("Bowing on the lowest string", "goal-sideways-hair"),
        health: &[],
        day: 36,
        passed: &[(G1, 14)],
        limits: USUAL,
        measurements: &[(PE, 80.0, 18, Pain), (ER, 12.0, 18, Stiff)],
        rest_pain: Some((3.0, 18)),
        attested: &[("wound-closed", 14)],
        built: Some(14),
        slip: None,
        flare: None,
        note: "Away for a fortnight; continues at home.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Ottavio",
        family: "Brera",
        born: "1953-06-30",
        work: "retired bookbinder",
        side: Arm::Right,
        mechanism: "Tear after lifting a press",
        task: ("Turning the press wheel", "goal-push-pull"),
        health: &["age-over-70"],
        day: 106,
        passed: &[(G1, 14), (G2, 45), (G3, 98)],
        limits: &[],
        measurements: &[
            (PE, 95.0, 40, Stiff),
            (PE, 138.0, 70, Stiff),
            (ER, 33.0, 70, Stiff),
            (PE, 148.0, 97, Stiff),
            (ER, 41.0, 97, Stiff),
            (AEL, 138.0, 97, Stiff),
            (AEU, 126.0, 97, Weak),
            (PE, 150.0, 104, Stiff),
            (ER, 43.0, 104, Stiff),
            (AEL, 141.0, 104, Stiff),
            (AEU, 131.0, 104, Weak),
        ],
        rest_pain: Some((1.0, 104)),
        attested: &[
            ("wound-closed", 14),
            ("no-guarding", 44),
            ("clean-lowering", 97),
            ("isometric-er-quiet", 97),
        ],
        built: Some(98),
        slip: None,
        flare: None,
        note: "First light weights went well.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
    Person {
        given: "Livia",
        family: "Sandoval",
        born: "1981-09-14",
        work: "beekeeper",
        side: Arm::Left,
        mechanism: "Lifted a full honey box from the side",
        task: ("Lifting a frame from the hive", "goal-carry"),
        health: &[],
        day: 9,
        passed: &[],
        limits: &[],
        measurements: &[],
        rest_pain: Some((4.0, 8)),
        attested: &[],
        built: Some(2),
        slip: None,
        flare: None,
        note: "Sling understood; hand and elbow work started.",
        pathway: "cuff-repair-small-medium",
        start: Start::Surgery,
        modifiers: &[],
    },
];

/// Loads the demo once; says what it did and how to sign in.
pub fn load(state: &AppState) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    let signed_in = format!("Demo sign-in: name {LOGIN}, password {PASSWORD}");
    if user::by_login(&mut conn, LOGIN)?.is_some() {
        return Ok(format!("Demo data is there already.\n{signed_in}"));
    }
    let clinician = new_user(LOGIN, "Vera Dossi", Role::Lead);
    let hash = hash_password(PASSWORD)?;
    let actor = Actor {
        user: Some(clinician.id),
        action: "demo",
    };
    write(
        &mut conn,
        Actor {
            user: None,
            action: "demo",
        },
        |conn| {
            user::insert(conn, &clinician, &hash)?;
            knowledge::keep(conn, &state.knowledge.sha256, &state.knowledge.canonical)
        },
    )?;
    for person in PEOPLE.iter().chain(MORE) {
        write(&mut conn, actor, |conn| add(state, conn, person))?;
    }
    for person in EXAMINED {
        write(&mut conn, actor, |conn| {
            demo_examined::add(state, conn, &clinician, person)
        })?;
    }
    Ok(format!(
        "{} invented patients of the Molo Nove clinic loaded.\n{signed_in}",
        PEOPLE.len() + MORE.len() + EXAMINED.len()
    ))
}

fn add(state: &AppState, conn: &mut PgConnection, p: &Person) -> Result<(), StoreError> {
    let today = state.today.date();
    let day0 = today
        .checked_sub_days(Days::new(u64::from(p.day.unsigned_abs())))
        .ok_or(StoreError::Unreadable("demo date"))?;
    let on = |day: i32| {
        day0.checked_add_days(Days::new(u64::from(day.unsigned_abs())))
            .unwrap_or(today)
    };
    let id = Uuid::now_v7();
    let birth: NaiveDate = p
        .born
        .parse()
        .map_err(|_| StoreError::Unreadable("demo birth date"))?;
    let patient = Patient {
        id: Uuid::now_v7(),
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
        other_side: ritorno_core::episode::OtherSide::Sound,
        ..Story::begun(p.pathway, p.side, day0, p.start)
    };
    event::entered_on(conn, on(1))?;
    episode::insert(conn, &patient, id, &story, on(1))?;
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
        flags::add_answer(conn, id, answer)?;
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
                stop: Stiff,
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

/// Signs a note with what the page would have shown on that day.
pub(crate) fn sign_note(
    state: &AppState,
    conn: &mut PgConnection,
    id: Uuid,
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
    id: Uuid,
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
        flags::add_answer(conn, id, &answer)?;
    }
    Ok(())
}

fn build_and_log(
    state: &AppState,
    conn: &mut PgConnection,
    p: &Person,
    id: Uuid,
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
        let lines = assessment.propose(id).lines;
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
            events::add_log(
                conn,
                id,
                &LogEntry {
                    id: Uuid::now_v7(),
                    on: on(day),
                    exercise: exercise.map(str::to_owned),
                    fact,
                    remark: String::new(),
                },
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
    events::add_log(
        conn,
        id,
        &LogEntry {
            id: Uuid::now_v7(),
            on: on(p.day),
            exercise: None,
            fact: morning,
            remark: String::new(),
        },
    )?;
    if let Some(day) = p.flare {
        events::add_log(
            conn,
            id,
            &LogEntry {
                id: Uuid::now_v7(),
                on: on(day),
                exercise: None,
                fact: LogFact::FlareDay,
                remark: String::new(),
            },
        )?;
    }
    if let Some(day) = p.slip {
        events::add_log(
            conn,
            id,
            &LogEntry {
                id: Uuid::now_v7(),
                on: on(day),
                exercise: Some("active-elevation-to-shoulder-height".into()),
                fact: LogFact::Slip,
                remark: String::new(),
            },
        )?;
    }
    Ok(())
}
