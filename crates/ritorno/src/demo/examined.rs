//! Invented shoulders without an operation, each examined at its last visit.

use super::writing::{answer_texts, sign_note, taken_on};
use chrono::{Days, NaiveDate};
use ritorno_core::facts::Sheet;
use ritorno_core::facts::{
    Answer, Complaint, ExamFact, ExamNote, FlagAnswer, Measurement, Method, OtherSide, PainArc,
    Start, StopReason, Story, TakenBy, Task, TestAnswer, TestFinding, Vote,
};
use ritorno_core::knowledge::Found;
use ritorno_core::mechanics::Arm;
use ritorno_server::{AppState, refresh_lane};
use ritorno_store::episode::Patient;
use ritorno_store::event::Via;
use ritorno_store::user::User;
use ritorno_store::{
    EpisodeId, PatientId, PgConnection, StoreError, episode, event, findings, flags, measurement,
    outcome,
};
use uuid::Uuid;

use Found::*;
use StopReason::{Pain, Slipping, Stiff, Weak};

/// One invented patient.
pub struct Examined {
    given: &'static str,
    family: &'static str,
    born: &'static str,
    mass_kg: f64,
    height_cm: f64,
    work: &'static str,
    side: Arm,
    start: Start,
    complaint: Complaint,
    other_side: OtherSide,
    mechanism: &'static str,
    task: (&'static str, &'static str),
    health: &'static [&'static str],
    /// Days since day 0.
    day: i32,
    /// Quantity, this side, the other side, why this side stopped.
    ranges: &'static [(&'static str, f64, f64, StopReason)],
    /// Where pain began and ended on active raising.
    arc: Option<PainArc>,
    words: &'static [(&'static str, Found)],
    numbers: &'static [(&'static str, f64)],
    votes: &'static [(Vote, f64)],
    note: &'static str,
    /// What the first visit, the day after day 0, had found of this side: quantity and measurement.
    first: &'static [(&'static str, f64)],
    /// Outcome sheets: days ago, instrument, answers.
    sheets: &'static [(i32, &'static str, &'static [f64])],
}

pub const EXAMINED: &[Examined] = &[
    Examined {
        given: "Dario",
        family: "Vescolan",
        born: "1978-10-02",
        mass_kg: 82.0,
        height_cm: 178.0,
        work: "ceiling plasterer",
        side: Arm::Right,
        start: Start::Gradual,
        complaint: Complaint::Raising,
        other_side: OtherSide::Sound,
        mechanism: "Six weeks of vaulted ceilings; pain since the third",
        task: ("Holding the float overhead", "goal-overhead"),
        health: &[],
        day: 12,
        ranges: &[
            ("active-elevation-upright", 158.0, 168.0, Pain),
            ("passive-elevation", 166.0, 170.0, Pain),
            ("passive-er-side", 58.0, 62.0, Stiff),
            ("passive-er-90", 84.0, 88.0, Stiff),
            ("passive-ir-90", 48.0, 62.0, Stiff),
            ("hand-behind-back", 6.0, 7.0, Pain),
        ],
        arc: Some(PainArc {
            from: 80.0,
            to: 115.0,
        }),
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Familiar),
            ("hawkins-kennedy", Familiar),
            ("neer", Familiar),
            ("resisted-er", StrongPainful),
            ("empty-can", StrongPainful),
            ("drop-arm", No),
            ("scapular-assistance", Better),
            ("blade-raising", Subtle),
            ("cross-body-adduction", OtherPain),
        ],
        numbers: &[("er-lag", 0.0)],
        votes: &[
            (Vote::WorstPain, 5.0),
            (Vote::Night, 1.0),
            (Vote::EndRange, 1.0),
            (Vote::Disability, 1.0),
            (Vote::Ache, 1.0),
        ],
        note: "Arc from 80 to 115; blade help takes two points off.",
        first: &[
            ("active-elevation-upright", 136.0),
            ("passive-elevation", 158.0),
            ("passive-er-side", 56.0),
            ("passive-ir-90", 46.0),
        ],
        sheets: &[
            (
                11,
                "quickdash",
                &[3.0, 4.0, 3.0, 2.0, 3.0, 4.0, 3.0, 4.0, 4.0, 2.0, 3.0],
            ),
            (
                3,
                "quickdash",
                &[2.0, 3.0, 2.0, 2.0, 2.0, 3.0, 3.0, 3.0, 3.0, 2.0, 2.0],
            ),
            (11, "psfs", &[3.0, 4.0, 2.0]),
            (3, "psfs", &[4.0, 5.0, 3.0]),
        ],
    },
    Examined {
        given: "Carla",
        family: "Benedusi",
        born: "1973-03-17",
        mass_kg: 64.0,
        height_cm: 167.0,
        work: "choir conductor",
        side: Arm::Left,
        start: Start::Gradual,
        complaint: Complaint::Stiffness,
        other_side: OtherSide::Sound,
        mechanism: "Came over the autumn, no injury; cannot lead the upper voices",
        task: ("Raising the left hand for an entry", "goal-forward-up"),
        health: &["diabetes"],
        day: 20,
        ranges: &[
            ("active-elevation-upright", 98.0, 164.0, Pain),
            ("passive-elevation", 104.0, 168.0, Pain),
            ("passive-er-side", 16.0, 60.0, Stiff),
            ("passive-abduction", 82.0, 172.0, Stiff),
            ("hand-behind-back", 2.0, 7.0, Pain),
        ],
        arc: None,
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Familiar),
            ("resisted-er", StrongPainless),
            ("coracoid-pain", Yes),
            ("shrug-sign", Obvious),
        ],
        numbers: &[],
        votes: &[
            (Vote::WorstPain, 7.0),
            (Vote::Night, 2.0),
            (Vote::EndRange, 2.0),
            (Vote::Disability, 1.0),
            (Vote::Ache, 1.0),
        ],
        note: "Both rotations stop short; radiograph asked for.",
        first: &[],
        sheets: &[],
    },
    Examined {
        given: "Jana",
        family: "Kolarik",
        born: "2000-07-21",
        mass_kg: 58.0,
        height_cm: 169.0,
        work: "rock-climbing route setter",
        side: Arm::Right,
        start: Start::Injury,
        complaint: Complaint::Slipping,
        other_side: OtherSide::Hypermobile,
        mechanism: "Foot slipped while hanging from the right hand; it came out and went back by itself",
        task: ("Reaching back for a bolt", "goal-fast"),
        health: &[],
        day: 26,
        ranges: &[
            ("active-elevation-upright", 170.0, 178.0, Slipping),
            ("passive-elevation", 174.0, 180.0, Slipping),
            ("passive-er-side", 78.0, 88.0, Slipping),
            ("passive-er-90", 96.0, 112.0, Slipping),
            ("hand-behind-back", 8.0, 9.0, Stiff),
        ],
        arc: None,
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Nothing),
            ("resisted-er", StrongPainless),
            ("axillary-sensation", No),
            ("apprehension", Apprehension),
            ("relocation", Yes),
            ("jerk", No),
        ],
        numbers: &[
            ("sulcus", 2.0),
            ("laxity-score", 6.0),
            ("load-and-shift-anterior", 2.0),
        ],
        votes: &[
            (Vote::WorstPain, 4.0),
            (Vote::Night, 0.0),
            (Vote::EndRange, 1.0),
            (Vote::Disability, 1.0),
            (Vote::Ache, 0.0),
        ],
        note: "Fear at 80 degrees of turning out, gone with the hand on the front.",
        first: &[],
        sheets: &[],
    },
    Examined {
        given: "Fosca",
        family: "Arbelin",
        born: "1985-05-09",
        mass_kg: 61.0,
        height_cm: 165.0,
        work: "mosaic restorer",
        side: Arm::Right,
        start: Start::Gradual,
        complaint: Complaint::Top,
        other_side: OtherSide::Sound,
        mechanism: "Sore on top after weeks under a vault",
        task: ("Setting tesserae across the body", "goal-hold-close"),
        health: &[],
        day: 15,
        ranges: &[
            ("active-elevation-upright", 162.0, 170.0, Pain),
            ("passive-elevation", 168.0, 174.0, Pain),
            ("passive-er-side", 64.0, 66.0, Stiff),
            ("horizontal-adduction", 104.0, 122.0, Pain),
            ("hand-behind-back", 7.0, 8.0, Stiff),
        ],
        arc: Some(PainArc {
            from: 150.0,
            to: 162.0,
        }),
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Nothing),
            ("resisted-er", StrongPainless),
            ("cross-body-adduction", FamiliarTop),
            ("active-compression", FamiliarTop),
            ("ac-palpation", Familiar),
            ("paxinos", Familiar),
        ],
        numbers: &[],
        votes: &[
            (Vote::WorstPain, 4.0),
            (Vote::Night, 0.0),
            (Vote::EndRange, 1.0),
            (Vote::Disability, 0.0),
            (Vote::Ache, 1.0),
        ],
        note: "Points to the joint with one finger.",
        first: &[],
        sheets: &[],
    },
    Examined {
        given: "Bruno",
        family: "Kalkum",
        born: "1993-12-02",
        mass_kg: 84.0,
        height_cm: 182.0,
        work: "ferry deckhand",
        side: Arm::Left,
        start: Start::Gradual,
        complaint: Complaint::Weakness,
        other_side: OtherSide::Sound,
        mechanism: "Weaker on the winch over a season, aches after a shift",
        task: ("Cranking the winch above the shoulder", "goal-push-pull"),
        health: &["nicotine"],
        day: 5,
        ranges: &[
            ("active-elevation-upright", 158.0, 172.0, Pain),
            ("passive-elevation", 170.0, 174.0, Pain),
            ("passive-er-side", 60.0, 64.0, Stiff),
            ("passive-ir-90", 48.0, 66.0, Stiff),
            ("passive-er-90", 98.0, 96.0, Stiff),
        ],
        arc: Some(PainArc {
            from: 70.0,
            to: 110.0,
        }),
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Familiar),
            ("resisted-er", StrongPainful),
            ("hawkins-kennedy", Familiar),
            ("neer", Familiar),
        ],
        numbers: &[],
        votes: &[
            (Vote::WorstPain, 5.0),
            (Vote::Night, 1.0),
            (Vote::EndRange, 1.0),
            (Vote::Disability, 1.0),
            (Vote::Ache, 1.0),
        ],
        note: "Loads kept close help at once.",
        first: &[],
        sheets: &[],
    },
    Examined {
        given: "Teodoro",
        family: "Grimaz",
        born: "1965-12-09",
        mass_kg: 76.0,
        height_cm: 174.0,
        work: "puppeteer",
        side: Arm::Right,
        start: Start::Injury,
        complaint: Complaint::Weakness,
        other_side: OtherSide::Sound,
        mechanism: "Fell from the stage step onto the outstretched hand",
        task: ("Carrying the large marionette", "goal-carry"),
        health: &[],
        day: 9,
        ranges: &[
            ("active-elevation-upright", 58.0, 162.0, Weak),
            ("passive-elevation", 156.0, 166.0, Stiff),
            ("passive-er-side", 55.0, 58.0, Stiff),
        ],
        arc: None,
        words: &[
            ("neck-screen", Nothing),
            ("painful-arc", Familiar),
            ("drop-arm", Yes),
            ("resisted-er", WeakPainful),
            ("empty-can", WeakPainful),
            ("axillary-sensation", No),
        ],
        numbers: &[("er-lag", 25.0)],
        votes: &[
            (Vote::WorstPain, 6.0),
            (Vote::Night, 1.0),
            (Vote::EndRange, 1.0),
            (Vote::Disability, 2.0),
            (Vote::Ache, 1.0),
        ],
        note: "Cannot hold the arm up since the fall.",
        first: &[],
        sheets: &[],
    },
];

/// Adds one of them with everything that was found.
///
/// # Errors
/// Database failure.
pub fn add(
    state: &AppState,
    conn: &mut PgConnection,
    by: &User,
    p: &Examined,
) -> Result<(), StoreError> {
    let today = state.today.date();
    let back = |days: i32| {
        today
            .checked_sub_days(Days::new(u64::from(days.unsigned_abs())))
            .ok_or(StoreError::Unreadable("demo date"))
    };
    let day0 = back(p.day)?;
    // Examined three days ago, so that the next visit has something to compare with.
    let on = back(3)?;
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
        complaint: Some(p.complaint),
        other_side: p.other_side,
        mass_kg: Some(p.mass_kg),
        height_cm: Some(p.height_cm),
        mechanism: p.mechanism.into(),
        work: p.work.into(),
        health: p.health.iter().map(|h| (*h).to_owned()).collect(),
        tasks: vec![Task {
            label: p.task.0.into(),
            score: 3,
            asks: Some(p.task.1.into()),
        }],
        kit: ["bed", "table", "cloth", "towel", "wall"]
            .map(str::to_owned)
            .to_vec(),
        ..Story::begun("no-operation", p.side, day0, p.start)
    };
    event::entered_on(conn, day0)?;
    episode::insert(conn, &patient, id, &story, day0)?;
    taken_on(conn, id, by.id, day0)?;
    event::entered_on(conn, on)?;
    let asked = state.knowledge.red_flags.iter().filter(|f| f.asked);
    let answers: Vec<FlagAnswer> = asked
        .map(|f| FlagAnswer {
            flag: f.id.clone(),
            answer: Answer::No,
            on,
            id: Uuid::now_v7(),
            about: Vec::new(),
            because: None,
        })
        .collect();
    for answer in &answers {
        flags::add_answer(conn, id, answer, Via::Clinic)?;
    }
    for (quantity, here, there, stop) in p.ranges {
        for (side, value, stop) in [(p.side, *here, *stop), (p.side.other(), *there, Stiff)] {
            let measurement = Measurement {
                id: Uuid::now_v7(),
                quantity: (*quantity).into(),
                side,
                value,
                stop,
                by: TakenBy::Clinician,
                on,
                arc: p
                    .arc
                    .filter(|_| side == p.side && *quantity == "active-elevation-upright"),
                method: Some(Method::Goniometer),
                rater: None,
                remark: String::new(),
            };
            event::entered_on(conn, measurement.on)?;
            measurement::add(conn, id, &measurement)?;
        }
    }
    let first_on = day0 + Days::new(1);
    for (quantity, value) in p.first {
        let measurement = Measurement {
            id: Uuid::now_v7(),
            quantity: (*quantity).into(),
            side: p.side,
            value: *value,
            stop: Pain,
            by: TakenBy::Clinician,
            on: first_on,
            arc: None,
            method: Some(Method::Goniometer),
            rater: None,
            remark: String::new(),
        };
        event::entered_on(conn, measurement.on)?;
        measurement::add(conn, id, &measurement)?;
    }
    for (ago, instrument, given) in p.sheets {
        // What was not answered stays open to the end of the sheet.
        let items = state
            .knowledge
            .scores
            .iter()
            .find(|r| r.id == *instrument)
            .map_or(0, |r| r.items());
        let answers = (0..items).map(|i| given.get(i).copied()).collect();
        outcome::add(
            conn,
            id,
            &Sheet {
                id: Uuid::now_v7(),
                instrument: (*instrument).into(),
                answers,
                on: back(*ago)?,
            },
        )?;
    }
    let words = p
        .words
        .iter()
        .map(|(test, found)| (*test, TestAnswer::Word { found: *found }));
    let numbers = p
        .numbers
        .iter()
        .map(|(test, value)| (*test, TestAnswer::Number { value: *value }));
    for (test, answer) in words.chain(numbers) {
        findings::add_finding(
            conn,
            id,
            &TestFinding {
                id: Uuid::now_v7(),
                test: test.into(),
                side: p.side,
                answer,
                variant: None,
                on,
                rater: by.id.0,
                remark: String::new(),
            },
        )?;
    }
    for (question, value) in p.votes {
        let fact = ExamFact::Irritability {
            question: *question,
            value: *value,
        };
        findings::add_note(
            conn,
            id,
            &ExamNote {
                id: Uuid::now_v7(),
                on,
                fact,
            },
        )?;
    }
    sign_note(state, conn, id, on, p.note)?;
    // One text is left to be asked about, so that the list shows what asking looks like.
    if p.family != "Kalkum" {
        answer_texts(state, conn, id, on)?;
    }
    refresh_lane(state, conn, id).map_err(|error| StoreError::Other(error.to_string()))?;
    Ok(())
}
