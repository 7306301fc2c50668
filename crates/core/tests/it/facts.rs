//! Facts of the trade that are rules of time or dose. Common practice, no published source.

use super::shoulder::*;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::Facts;
use ritorno_core::knowledge::{Dose, Group, HealingClock, Level, SetStructure};
use ritorno_core::plan::{equal_time, start_dose};
use ritorno_core::reading::Irritability;
use ritorno_core::reason::Arg;
use ritorno_core::rules::{Choices, Rules};
use ritorno_core::safety::{Status, check_exercise};

fn with(question: &str, school: &str) -> Rules {
    let choices = Choices {
        schools: [(question.to_owned(), school.to_owned())].into(),
        ..Choices::default()
    };
    Rules::new(known(), &known().pathways["subacromial-pain"], &choices)
}

/// 30 s × 3, or 10 s × 10 where 30 s is too much: about the same total time.
#[test]
fn holds_in_other_pieces_keep_their_total_time() {
    let short = Dose {
        sets: 3,
        repetitions: 6,
        hold_s: 5,
        ..known().exercises["isometric-outward-wall"].dose
    };
    for (repetitions, hold) in [(1, 30), (3, 10)] {
        let other = equal_time(short, repetitions, hold, 100);
        let total = |d: &Dose| d.sets * d.repetitions * d.hold_s;
        assert!(total(&other).abs_diff(total(&short)) <= 15, "{other:?}");
        let much = equal_time(
            Dose {
                sets: 5,
                repetitions: 10,
                ..short
            },
            repetitions,
            hold,
            100,
        );
        assert_eq!(total(&much), 90, "at most 100 s of a direction: {much:?}");
    }
    let long = start_dose(
        &with("hold-style", "long-holds"),
        &known().exercises["isometric-outward-wall"],
        Irritability::Low,
        10,
    );
    assert_eq!((long.hold_s, long.repetitions), (30, 1));
}

/// As hard as possible below pain is a school; what protects a repair still bounds it.
#[test]
fn an_effort_never_rises_above_the_allowance() {
    let choices = Choices {
        schools: [("effort".to_owned(), "below-pain".to_owned())].into(),
        ..Choices::default()
    };
    let press = &known().exercises["isometric-outward-wall"];
    let repair = Rules::new(known(), &known().pathways[CUFF], &choices);
    assert_eq!(
        start_dose(&repair, press, Irritability::Low, 60).effort_pct,
        Some(30)
    );
    let sore = Rules::new(known(), &known().pathways["subacromial-pain"], &choices);
    assert_eq!(
        start_dose(&sore, press, Irritability::Low, 60).effort_pct,
        Some(70)
    );
}

/// Circuit, one set of each, several rounds; single perfect repetitions: the rest of a circuit is the other exercises.
#[test]
fn set_structures_change_the_minutes_and_not_the_work() {
    let exercise = &known().exercises["external-rotation-side-lying-weight"];
    let straight = exercise.dose;
    let circuit = start_dose(
        &with("set-structure", "circuit"),
        exercise,
        Irritability::Low,
        30,
    );
    assert_eq!(circuit.structure, Some(SetStructure::Circuit));
    assert!(
        circuit.minutes(known().pace()) < straight.minutes(known().pace())
            && circuit.weekly_repetitions(known().pace())
                == straight.weekly_repetitions(known().pace())
    );
    let single = Dose {
        structure: Some(SetStructure::Single),
        ..straight
    };
    assert!(single.minutes(known().pace()) > straight.minutes(known().pace()));
    let slow = Dose {
        tempo_s: Some([2, 1, 5]),
        ..straight
    };
    assert_eq!(slow.repetition_s(known().pace()), 8);
    assert!(
        Dose {
            tempo_s: Some([20, 20, 20]),
            ..straight
        }
        .fault(known())
        .is_some()
    );
}

/// Timed work lasts as long as it says, whatever the pace of repetitions; a tempo is what a repetition takes.
#[test]
fn timed_work_takes_its_time_and_a_tempo_is_timed() {
    let pace = known().pace();
    let swing = known().exercises["pendulum-arm-swing"].dose;
    assert_eq!((swing.duration_s, swing.hold_s), (Some(300), 0));
    assert!((swing.minutes(pace) - 5.0).abs() < 1e-12);
    let carry = known().exercises["work-task-side-carry"].dose;
    // Three times twenty seconds with a minute between them.
    assert!((carry.minutes(pace) - (3.0 * 20.0 + 2.0 * 60.0) / 60.0).abs() < 1e-12);
    let slow = known().exercises["slow-lowering-side-lying-outward"].dose;
    assert_eq!(slow.tempo_s, Some([4, 0, 2]));
    assert!((slow.minutes(pace) - (3.0 * 15.0 * 6.0 + 2.0 * 60.0) / 60.0).abs() < 1e-12);
    // No row holds longer than a hold can be; what lasts longer is timed.
    let longest = known().threshold("hold-most-s") as u32;
    for exercise in known().exercises.values() {
        assert!(exercise.range.hold_s[1] <= longest, "{} holds", exercise.id);
    }
}

/// Late after a repair: every gate behind, everything at hand.
fn all_open() -> Facts {
    let mut facts = shoulder(150);
    let kit = known().exercises.values().flat_map(|e| e.kit.clone());
    facts.story.kit = kit.collect();
    for gate in &known().pathways[CUFF].gates {
        pass(&mut facts, &gate.id, 150);
    }
    facts
}

/// A line of a program from before a row was timed is no fault of the program; one beyond the row's time is.
#[test]
fn a_line_from_before_its_row_was_timed_holds_as_long() {
    let facts = all_open();
    let assessment = Assessment::new(known(), &facts).expect("known");
    let swing = &known().exercises["pendulum-arm-swing"];
    let told = |dose: &Dose| {
        let verdict = check_exercise(&assessment.ctx(), swing, dose, 150);
        verdict.findings.iter().any(|f| {
            f.reason
                .args
                .values()
                .any(|a| *a == Arg::Text("duration_s".into()) || *a == Arg::Text("hold_s".into()))
        })
    };
    let before = Dose {
        hold_s: 300,
        duration_s: None,
        ..swing.dose
    };
    let long = Dose {
        duration_s: Some(3600),
        ..swing.dose
    };
    assert!(!told(&swing.dose) && !told(&before) && told(&long));
    let counted = &known().exercises["pendulum-circles"];
    let both = Dose {
        duration_s: Some(60),
        ..counted.dose
    };
    let verdict = check_exercise(&assessment.ctx(), counted, &both, 150);
    assert_eq!(
        verdict.status,
        Status::Blocked,
        "counted or timed, not both"
    );
}

/// Heavy slow lowering once or twice a week, 48 h apart: more than every other day is a caution nobody overlooks.
#[test]
fn slow_lowering_rests_two_days() {
    let facts = all_open();
    let assessment = Assessment::new(known(), &facts).expect("known");
    let exercise = &known().exercises["slow-lowering-side-lying-outward"];
    let daily = Dose {
        days_per_week: 7,
        ..exercise.dose
    };
    let found = check_exercise(&assessment.ctx(), exercise, &daily, 160);
    assert!(
        found.status == Status::Caution
            && found
                .findings
                .iter()
                .any(|f| f.reason.rule == "rest-48-hours"),
        "{:?}",
        found.findings
    );
    assert_eq!(
        start_dose(&assessment.rules, exercise, Irritability::Low, 160).days_per_week,
        3
    );
}

/// After surgery passive first; elbow and hand move actively from the start, but not where the biceps was fixed.
#[test]
fn hands_move_at_once_and_a_fixed_biceps_waits() {
    for p in known()
        .pathways
        .values()
        .filter(|p| p.clock == HealingClock::Operation)
    {
        let rules = rules(&p.id);
        assert!(
            rules
                .allowance(0)
                .expect("allowed")
                .permits(Group::Distal, Level::Active),
            "{}",
            p.id
        );
        let joint = [Group::Cuff, Group::Subscapularis, Group::Deltoid];
        assert!(
            joint.iter().all(|g| !rules
                .allowance(0)
                .expect("allowed")
                .permits(*g, Level::Active)),
            "{}",
            p.id
        );
    }
    let fixed = Choices {
        modifiers: vec!["biceps-tenodesis".into()],
        ..Choices::default()
    };
    let rules = Rules::new(known(), &known().pathways[CUFF], &fixed);
    let permits = |week: i32, level| {
        rules
            .allowance(week * 7)
            .expect("allowed")
            .permits(Group::Biceps, level)
    };
    assert!(
        !permits(3, Level::Active)
            && permits(4, Level::Active)
            && !permits(7, Level::ResistedLight)
            && permits(8, Level::ResistedLight)
    );
    assert_eq!(rules.class("elbow-active").expect("a class").opens_day, 28);
}

/// High irritability keeps to short, mid-range, pain-free work; a fracture is braced for three weeks and never loaded before ten.
#[test]
fn irritability_and_fractures_bound_the_work() {
    let mut facts = shoulder(20);
    facts.story.pathway = "subacromial-pain".into();
    facts.story.start = ritorno_core::facts::Start::Gradual;
    for (vote, value) in [
        (ritorno_core::facts::Vote::WorstPain, 8.0),
        (ritorno_core::facts::Vote::Night, 2.0),
        (ritorno_core::facts::Vote::Ache, 2.0),
    ] {
        facts.exam_notes.push(ritorno_core::facts::ExamNote {
            id: uuid::Uuid::now_v7(),
            on: on(19),
            fact: ritorno_core::facts::ExamFact::Irritability {
                question: vote,
                value,
            },
        });
    }
    pass(&mut facts, "to-restore", 10);
    pass(&mut facts, "to-loading", 15);
    let plan = Assessment::new(known(), &facts)
        .expect("known")
        .propose(uuid::Uuid::nil());
    let now = plan.lines.iter().filter(|l| l.from_day <= 20);
    for line in now {
        let e = &known().exercises[&line.exercise];
        assert!(
            [Group::Cuff, Group::Deltoid, Group::Subscapularis]
                .iter()
                .all(|g| e.demand_on(*g) <= Level::Isometric),
            "{}",
            e.id
        );
    }
    let broken = rules("proximal-fracture");
    assert!(broken.sling.as_ref().is_some_and(|s| s.nights_until == 21));
    assert!(
        !broken
            .allowance(69)
            .expect("allowed")
            .permits(Group::Cuff, Level::Resisted)
    );
}

/// A school says in which pieces one holds; it never takes isometric work out of a program.
#[test]
fn no_way_of_holding_removes_a_purpose_from_any_plan() {
    let mut re_dosed = 0;
    for pathway in known().pathways.keys() {
        let pathway = pathway.as_str();
        for day in [10, 30, 58, 90] {
            let purposes = |school: &str| {
                let mut facts = shoulder(day);
                facts.story.pathway = pathway.into();
                let choice = ("hold-style".to_owned(), school.to_owned());
                facts.story.schools.extend([choice]);
                let lines = super::plans::plan(&facts).lines;
                let held = |l: &&ritorno_core::facts::Line| {
                    known().exercises[&l.exercise].hardest() == Level::Isometric
                };
                let pieces = match school {
                    "long-holds" => (1, 30),
                    _ => (3, 10),
                };
                let own = lines.iter().filter(held);
                let own = own.filter(|l| (l.dose.repetitions, l.dose.hold_s) == pieces);
                let of = |l: &ritorno_core::facts::Line| {
                    format!("{:?}", known().exercises[&l.exercise].purpose)
                };
                let all: std::collections::BTreeSet<String> = lines.iter().map(of).collect();
                (all, own.count(), lines.iter().filter(held).count())
            };
            let (usual, _, held) = purposes("short-holds");
            for school in ["long-holds", "ten-tens"] {
                let (chosen, own, still) = purposes(school);
                assert!(
                    chosen.is_superset(&usual),
                    "{pathway}, day {day}, {school}: {usual:?} became {chosen:?}"
                );
                assert!(
                    held == 0 || still > 0,
                    "{pathway}, day {day}, {school}: no isometric work is left of {held}"
                );
                re_dosed += own;
            }
        }
    }
    assert!(
        re_dosed > 100,
        "only {re_dosed} lines are held in a school's pieces"
    );
}
