//! Every pathway, school and modifier: published timing to the day, nothing that breaks a rule on any day, tightening only tightens.

use super::shoulder::*;
use proptest::prelude::*;
use ritorno_core::admission::NamedText;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{
    Answer, Clearance, Facts, FlagAnswer, GatePass, OtherSide, Start, Story,
};
use ritorno_core::knowledge::{CriterionKind, Group, HealingClock, Level};
use ritorno_core::mechanics::{Arm, Attitude};
use ritorno_core::plan::{Variant, what_if};
use ritorno_core::rules::{Ceiling, Choices, Lock, Rules};
use ritorno_core::safety::{Status, check_exercise, check_line};
use std::collections::BTreeSet;
use uuid::Uuid;

fn start_of(pathway: &str) -> Start {
    match known().pathways[pathway].clock {
        HealingClock::Operation => Start::Surgery,
        HealingClock::None => Start::Gradual,
        _ => Start::Injury,
    }
}

/// Somebody on a pathway, everything asked and at hand, so many gates passed on their days.
pub fn somebody(pathway: &str, day: i32, passed: usize) -> Facts {
    let story = Story {
        clearance: Some(Clearance {
            role: "surgeon".into(),
            on: day0(),
        }),
        kit: known()
            .exercises
            .values()
            .flat_map(|e| e.kit.clone())
            .collect::<BTreeSet<_>>()
            .into_iter()
            .collect(),
        other_side: OtherSide::Sound,
        ..Story::begun(pathway, Arm::Right, day0(), start_of(pathway))
    };
    let asked = known().red_flags.iter().filter(|f| f.asked);
    let mut facts = Facts {
        flag_answers: asked
            .map(|f| FlagAnswer {
                flag: f.id.clone(),
                answer: Answer::No,
                on: day0(),
                id: Uuid::now_v7(),
                about: Vec::new(),
                because: None,
            })
            .collect(),
        ..Facts::new(on(day), "1978-03-04".parse().expect("a date"), story)
    };
    for gate in known().pathways[pathway]
        .gates
        .iter()
        .take(passed)
        .filter(|g| g.week * 7 <= day)
    {
        facts.gate_passes.push(GatePass {
            gate: gate.id.clone(),
            on: on(gate.week * 7),
            id: Uuid::now_v7(),
            overridden: Default::default(),
        });
    }
    facts
}

fn ids() -> Vec<&'static str> {
    known()
        .pathways
        .values()
        .filter(|p| !p.phases.is_empty())
        .map(|p| p.id.as_str())
        .collect()
}

/// Gaunt 2010 (J Orthop Sports Phys Ther), from memory: staged goals after anterior capsulolabral repair. Passive elevation 90,
/// 135, 155 by weeks 3, 6, 9; external rotation at 20° 10–30, 35–50, 50–65; at 90° nothing, 45, 75; active elevation 115, 145
/// by weeks 6, 9; within normal limits by week 12. The upper value is the ceiling through week 9.
#[test]
fn the_published_goals_of_anterior_repair_are_reproduced_to_the_day() {
    let rules = rules("anterior-repair");
    let up_to = |value| Ceiling::UpTo { value };
    let at = |quantity: &str, day| {
        *rules
            .corridor(quantity)
            .expect("a corridor")
            .ceilings
            .at(day)
            .expect("a ceiling")
    };
    for (quantity, weeks) in [
        ("passive-elevation", [90.0, 135.0, 155.0]),
        ("passive-er-side", [30.0, 50.0, 65.0]),
    ] {
        for (week, value) in [3, 6, 9].into_iter().zip(weeks) {
            assert_eq!(
                at(quantity, week * 7 - 1),
                up_to(value),
                "{quantity} on the last day before week {week}"
            );
        }
        assert_eq!(at(quantity, 63), Ceiling::Free, "{quantity} from week 9 on");
        assert_eq!(
            at(quantity, 13),
            Ceiling::NoneAllowed,
            "{quantity} in the first fortnight"
        );
    }
    assert_eq!(
        (at("passive-er-90", 41), at("passive-er-90", 42)),
        (Ceiling::NoneAllowed, up_to(75.0))
    );
    assert_eq!(
        (
            at("active-elevation-upright", 41),
            at("active-elevation-upright", 62)
        ),
        (up_to(115.0), up_to(145.0))
    );
    let goals: BTreeSet<(i32, &str, i64)> = rules
        .milestones
        .iter()
        .filter_map(|m| Some((m.day, m.quantity.as_deref()?, m.at_least? as i64)))
        .collect();
    for goal in [
        (21, "passive-elevation", 90),
        (42, "passive-elevation", 135),
        (63, "passive-elevation", 155),
        (21, "passive-er-side", 10),
        (42, "passive-er-side", 35),
        (63, "passive-er-side", 50),
        (42, "passive-er-90", 45),
        (63, "passive-er-90", 75),
        (42, "active-elevation-upright", 115),
        (63, "active-elevation-upright", 145),
    ] {
        assert!(goals.contains(&goal), "{goal:?} is missing from {goals:?}");
    }
    assert!(
        rules
            .milestones
            .iter()
            .any(|m| m.id == "ms-full-range" && m.day == 84)
    );
    // Strengthening from week 6, 90/90 from week 12.
    assert_eq!(
        rules.class("resisted-er-side").expect("a class").opens_day,
        42
    );
    assert_eq!(
        rules
            .class("resisted-rotation-raised")
            .expect("a class")
            .opens_day,
        84
    );
}

/// The cross-pathway table of first weeks (common practice, no published source): passive motion, resisted rotation, load above
/// the shoulder.
#[test]
fn each_pathway_opens_motion_and_load_when_the_table_says() {
    for (pathway, passive, resisted, above) in [
        ("cuff-repair-small-medium", 2, 12, Some(16)),
        ("cuff-repair-large", 4, 16, Some(24)),
        ("anterior-repair", 2, 6, Some(12)),
        ("bone-block", 1, 8, Some(12)),
        ("posterior-repair", 3, 8, Some(14)),
        ("labrum-repair", 1, 7, Some(12)),
        ("decompression", 0, 3, Some(6)),
        ("clavicle-excision", 0, 3, Some(8)),
        ("total-shoulder", 1, 8, Some(16)),
        ("reverse-shoulder", 2, 12, None),
        ("proximal-fracture", 1, 8, Some(14)),
        ("ac-sprain-1", 0, 1, Some(3)),
        ("ac-sprain-2", 1, 3, Some(6)),
        ("ac-sprain-3", 2, 4, Some(10)),
    ] {
        let rules = rules(pathway);
        assert_eq!(
            rules
                .corridor("passive-elevation")
                .expect("a corridor")
                .opens_day,
            passive * 7,
            "{pathway}: passive"
        );
        assert_eq!(
            rules.class("resisted-er-side").expect("a class").opens_day,
            resisted * 7,
            "{pathway}: resisted"
        );
        let high = rules
            .class("resisted-elevation-above-shoulder")
            .expect("a class");
        match above {
            Some(week) => assert_eq!(
                (high.opens_day, high.lock),
                (week * 7, Lock::Open),
                "{pathway}: above the shoulder"
            ),
            None => assert_eq!(high.lock, Lock::Clinician, "{pathway}: above the shoulder"),
        }
    }
    // Reverse replacement: extension with adduction and internal rotation blocked to week 12 (Boudreau 2007, from memory).
    let reverse = rules("reverse-shoulder");
    assert!(
        reverse
            .forbidden
            .iter()
            .any(|f| f.id == "combined-behind" && f.until_day == 84)
    );
    assert_eq!(
        reverse
            .class("hand-behind-back")
            .expect("a class")
            .opens_day,
        84
    );
    // Nothing fast for a replaced joint, ever.
    for id in ["total-shoulder", "reverse-shoulder"] {
        assert_eq!(
            rules_of(id).class("quick-two-hands").expect("a class").lock,
            Lock::Never,
            "{id}"
        );
    }
}

fn rules_of(id: &str) -> Rules {
    rules(id)
}

/// Common practice, no published source: time holds exist only where something heals by the calendar.
#[test]
fn pathways_without_a_healing_clock_move_on_criteria_alone() {
    for id in ids() {
        let pathway = &known().pathways[id];
        let timed = |c: &ritorno_core::knowledge::Criterion| {
            matches!(c.ask, CriterionKind::TimeSince { .. })
        };
        let any_time = pathway.gates.iter().flat_map(|g| &g.criteria).any(timed);
        assert_eq!(any_time, pathway.clock != HealingClock::None, "{id}");
        assert!(
            rules(id)
                .gates
                .iter()
                .all(|g| g.holds_time == (pathway.clock != HealingClock::None)),
            "{id}"
        );
    }
    // A loose shoulder counts in phases: where a phase has not been reached its ceilings are not there yet, whatever the day.
    let early = Assessment::new(known(), &somebody("instability-loose", 200, 0))
        .map(|a| a.rules.corridor("passive-er-side").cloned());
    let later = Assessment::new(known(), &somebody("instability-loose", 200, 2))
        .map(|a| a.rules.corridor("passive-er-side").cloned());
    let on_200 = |c: Option<Option<ritorno_core::rules::CorridorRule>>| {
        c.flatten().and_then(|c| c.ceilings.at(200).copied())
    };
    assert_eq!(on_200(early), Some(Ceiling::UpTo { value: 30.0 }));
    assert_eq!(on_200(later), Some(Ceiling::UpTo { value: 60.0 }));
}

/// Every combination of a pathway with one modifier: on every day nothing is allowed that the pathway alone forbids.
#[test]
fn a_modifier_never_loosens_anything() {
    let groups = [
        Group::Cuff,
        Group::Subscapularis,
        Group::Deltoid,
        Group::Biceps,
        Group::Triceps,
        Group::PecLat,
        Group::Scapular,
        Group::Distal,
    ];
    let levels = [
        Level::Passive,
        Level::Active,
        Level::Isometric,
        Level::ResistedLight,
        Level::Resisted,
        Level::Eccentric,
        Level::Ballistic,
    ];
    let mut tighter_somewhere = BTreeSet::new();
    for modifier in &known().modifiers {
        for id in &modifier.pathways {
            let base = rules(id);
            let with = Rules::new(
                known(),
                &known().pathways[id],
                &Choices {
                    modifiers: vec![modifier.id.clone()],
                    ..Choices::default()
                },
            );
            for day in (0..base.end_day).step_by(7) {
                for quantity in known().quantities.iter().map(|q| q.id.as_str()) {
                    let on = |r: &Rules| {
                        r.corridor(quantity).map_or(Ceiling::Free, |c| {
                            c.ceilings.at(day).copied().unwrap_or(Ceiling::NoneAllowed)
                        })
                    };
                    assert_eq!(
                        on(&base).tighter(on(&with)),
                        on(&with),
                        "{} loosens {quantity} of {id} on day {day}",
                        modifier.id
                    );
                    if on(&base) != on(&with) {
                        tighter_somewhere.insert(&modifier.id);
                    }
                }
                let (a, b) = (
                    base.allowance(day).expect("allowed"),
                    with.allowance(day).expect("allowed"),
                );
                for (group, level) in groups
                    .iter()
                    .flat_map(|g| levels.iter().map(move |l| (*g, *l)))
                {
                    assert!(
                        a.permits(group, level) || !b.permits(group, level),
                        "{} permits {group:?} {level:?} of {id} on day {day}",
                        modifier.id
                    );
                    if a.permits(group, level) != b.permits(group, level) {
                        tighter_somewhere.insert(&modifier.id);
                    }
                }
            }
            for class in known().gate_classes.keys() {
                let (Some(a), Some(b)) = (base.class(class), with.class(class)) else {
                    continue;
                };
                assert!(
                    b.opens_day >= a.opens_day && b.lock >= a.lock,
                    "{} brings {class} of {id} forward",
                    modifier.id
                );
            }
        }
    }
    // A tenotomy asks for no loaded elbow before week 6, which every pathway it goes with asks already; it is kept for its cautions.
    let idle: Vec<&str> = known()
        .modifiers
        .iter()
        .map(|m| m.id.as_str())
        .filter(|id| !tighter_somewhere.iter().any(|t| t == id))
        .collect();
    assert_eq!(idle, ["biceps-tenotomy"], "a modifier that changes nothing");
}

/// A school that is the default changes nothing; another one moves what it says and the gate before it.
#[test]
fn schools_are_named_rules_that_move_the_gate_with_the_phase() {
    let choose = |question: &str, school: &str| Choices {
        schools: [(question.to_owned(), school.to_owned())].into(),
        ..Choices::default()
    };
    let pathway = &known().pathways[CUFF];
    let plain = rules(CUFF);
    let default = Rules::new(known(), pathway, &choose("passive-start", "two-still"));
    assert_eq!(default.phases, plain.phases);
    let still = Rules::new(known(), pathway, &choose("passive-start", "delayed-four"));
    assert_eq!(
        (still.phases[1].earliest_day, still.gates[0].opens_day),
        (28, 28)
    );
    assert_eq!(still.class("pendulum").expect("a class").opens_day, 28);
    assert_eq!(
        still
            .corridor("passive-elevation")
            .expect("a corridor")
            .opens_day,
        28
    );
    assert!(
        still.gates[0]
            .criteria
            .iter()
            .any(|c| c.ask == CriterionKind::TimeSince { weeks: 4 })
    );
    let late = Rules::new(known(), pathway, &choose("strength-start", "strength-16"));
    assert_eq!(
        (
            late.gates[2].opens_day,
            late.class("resisted-er-side").expect("a class").opens_day
        ),
        (112, 112)
    );
    assert!(
        !late
            .allowance(111)
            .expect("allowed")
            .permits(Group::Cuff, Level::ResistedLight)
    );
    // While a repair heals a school may only lower the pain that is tolerated.
    let bold = Rules::new(known(), pathway, &choose("pain-rule", "up-to-three"));
    assert_eq!((bold.pain(30).max, plain.pain(30).max), (2.0, 2.0));
    let calm = Rules::new(known(), pathway, &choose("pain-rule", "no-pain"));
    assert_eq!(calm.pain(30).max, 0.0);
    for p in known().pathways.values() {
        for school in p.schools.iter().filter(|s| !s.default) {
            let rules = Rules::new(known(), p, &choose(&school.question, &school.id));
            assert!(
                rules
                    .phases
                    .windows(2)
                    .all(|w| w[0].earliest_day <= w[1].earliest_day),
                "{} of {} turns phases round",
                school.id,
                p.id
            );
        }
    }
}

fn any_case() -> impl Strategy<Value = Facts> {
    let all = ids();
    (
        0..all.len(),
        0..200i32,
        0..6usize,
        any::<u32>(),
        prop::option::of(5u32..90),
        prop::option::of((40.0f64..150.0, 7..120i32)),
        any::<bool>(),
    )
        .prop_map(move |(at, day, passed, bits, minutes, limit, few)| {
            let id = all[at];
            let mut facts = somebody(id, day, passed);
            let fits = known()
                .modifiers
                .iter()
                .filter(|m| m.pathways.iter().any(|p| p == id));
            facts.story.modifiers = fits
                .enumerate()
                .filter(|(i, _)| bits >> (i % 16) & 1 == 1)
                .map(|(_, m)| m.id.clone())
                .collect();
            for (i, school) in known().pathways[id]
                .schools
                .iter()
                .chain(&known().schools)
                .enumerate()
            {
                if bits >> (16 + i % 16) & 1 == 1 {
                    facts
                        .story
                        .schools
                        .insert(school.question.clone(), school.id.clone());
                }
            }
            facts.story.minutes_per_day = minutes;
            facts.limits.extend(limit.map(|(ceiling, until)| {
                super::shoulder::limit("passive-elevation", ceiling.round(), Some(until))
            }));
            if few {
                facts
                    .story
                    .kit
                    .retain(|k| k == "table" || k == "towel" || k == "wall");
            }
            if bits % 5 == 0 {
                let cannot = known().health.iter().filter(|h| !h.keeps_from.is_empty());
                facts.story.health.extend(cannot.map(|h| h.id.clone()));
            }
            if bits % 7 == 0 {
                facts.story.other_side = OtherSide::Operated;
            }
            facts
        })
}

proptest! {
    #![proptest_config(ProptestConfig::default())]

    /// No plan of any pathway breaks a ceiling, an allowance, a forbidden position, a class's week, kit or minutes on any day.
    #[test]
    fn no_plan_of_any_pathway_breaks_a_rule_on_any_day(facts in any_case()) {
        let assessment = Assessment::new(known(), &facts).expect("a known pathway");
        let ctx = assessment.ctx();
        let plan = assessment.propose(Uuid::nil());
        for line in &plan.lines {
            let verdict = check_line(&ctx, line);
            prop_assert_eq!(verdict.status, Status::Allowed, "{} of {}: {:?}", &line.exercise, &facts.story.pathway, &verdict.findings);
            let exercise = &known().exercises[&line.exercise];
            // Written the long way round, apart from the check: class, allowance and kit on each day of the line.
            for day in [line.from_day.max(ctx.today), line.to_day - 1] {
                for class in &exercise.gates {
                    let rule = assessment.rules.class(class).expect("a class of this pathway");
                    prop_assert!(day >= rule.opens_day && rule.lock == Lock::Open, "{} on day {}: {}", &line.exercise, day, class);
                }
                let allowance = assessment.rules.allowance(day).expect("an allowance");
                prop_assert!(exercise.demand.iter().all(|d| allowance.permits(d.group, d.level)), "{} on day {}", &line.exercise, day);
            }
            prop_assert!(exercise.kit.iter().all(|k| facts.story.kit.contains(k)), "{} needs {:?}", &line.exercise, &exercise.kit);
            let barred = known().health.iter().filter(|h| facts.story.health.contains(&h.id));
            prop_assert!(barred.into_iter().all(|h| !h.keeps_from.contains(&exercise.attitude)), "{} is done {:?}", &line.exercise, exercise.attitude);
            prop_assert!(exercise.hardest() < Level::Eccentric || line.dose.days_per_week <= 3);
        }
        // One rung of a ladder at a time.
        for (i, line) in plan.lines.iter().enumerate() {
            let ladder = |l: &ritorno_core::facts::Line| &known().exercises[&l.exercise].ladder;
            let beside = plan.lines[i + 1..].iter().find(|l| ladder(l) == ladder(line) && l.from_day < line.to_day && line.from_day < l.to_day);
            prop_assert!(beside.is_none(), "{} runs beside {:?}", &line.exercise, beside.map(|l| &l.exercise));
        }
        // Minutes of a day, summed up on the first day of each week.
        if let Some(most) = facts.story.minutes_per_day {
            for day in (ctx.today..assessment.rules.end_day).step_by(7) {
                let sum: f64 = plan.lines.iter().filter(|l| (l.from_day..l.to_day).contains(&day)).map(|l| l.dose.day_minutes(known().pace())).sum();
                prop_assert!(sum <= f64::from(most) + 1e-6, "{} minutes on day {} where {} are there", sum, day, most);
            }
        }
        prop_assert_eq!(plan.gap, 0.0, "not proved best");
        prop_assert_eq!(assessment.propose(Uuid::nil()), plan, "the same input gives the same plan");
    }

    /// Tightening never adds what was blocked: with one more modifier every line that passes passed before.
    #[test]
    fn tightening_never_opens_what_was_closed(facts in any_case(), pick in any::<prop::sample::Index>()) {
        let fits: Vec<_> = known().modifiers.iter().filter(|m| m.pathways.contains(&facts.story.pathway)).collect();
        if fits.is_empty() {
            return Ok(());
        }
        let mut tight = facts.clone();
        tight.story.modifiers.push(pick.get(&fits).id.clone());
        let (loose, close) = (Assessment::new(known(), &facts).expect("known"), Assessment::new(known(), &tight).expect("known"));
        let days = [0, 20, 60, 100, 170];
        for exercise in known().exercises.values().step_by(7) {
            for day in days {
                let blocked = |a: &Assessment| check_exercise(&a.ctx(), exercise, &exercise.dose, day).status == Status::Blocked;
                prop_assert!(!blocked(&loose) || blocked(&close), "{} on day {}", &exercise.id, day);
            }
        }
    }
}

/// Said once, obeyed everywhere: somebody who cannot kneel is given other work, and the rows that fall away say why.
#[test]
fn what_a_body_cannot_get_into_is_not_planned() {
    let mut facts = somebody("subacromial-pain", 60, 2);
    let kneels = |facts: &Facts| {
        let assessment = Assessment::new(known(), facts).expect("known");
        let ctx = assessment.ctx();
        let all = known().exercises.values();
        let said: Vec<&str> = (all)
            .filter(|e| e.attitude == Attitude::HandsAndKnees)
            .filter(|e| {
                let verdict = check_exercise(&ctx, e, &e.dose, ctx.today);
                let mut rules = verdict.findings.iter().map(|f| f.reason.rule.as_str());
                rules.any(|rule| rule == "attitude-cannot")
            })
            .map(|e| e.id.as_str())
            .collect();
        said.len()
    };
    assert_eq!(kneels(&facts), 0);
    facts.story.health = vec!["cannot-kneel".into()];
    let all_fours = known().exercises.values();
    assert_eq!(
        kneels(&facts),
        all_fours
            .filter(|e| e.attitude == Attitude::HandsAndKnees)
            .count()
    );
}

#[test]
fn hard_cases_are_handled_and_explained() {
    // No kit at all, five minutes a day: a small plan, the rest told as waiting for minutes or for kit.
    let mut poor = somebody("subacromial-pain", 30, 2);
    poor.story.kit.clear();
    poor.story.minutes_per_day = Some(5);
    let assessment = Assessment::new(known(), &poor).expect("known");
    let plan = assessment.propose(Uuid::nil());
    assert!(
        !plan.lines.is_empty()
            && plan
                .later
                .iter()
                .any(|l| l.reason.rule == "later-day-minutes"),
        "{:?}",
        plan.later
    );
    // Both shoulders operated: nothing that the other arm has to carry is proposed.
    let mut both = somebody(CUFF, 20, 1);
    both.other_operated_on = Some(on(6));
    let assessment = Assessment::new(known(), &both).expect("known");
    let carried = |id: &str| {
        matches!(
            known().exercises[id].helper,
            ritorno_core::knowledge::Helper::OtherHand
                | ritorno_core::knowledge::Helper::Stick
                | ritorno_core::knowledge::Helper::Pulley
        )
    };
    assert!(
        assessment
            .propose(Uuid::nil())
            .lines
            .iter()
            .all(|l| !carried(&l.exercise))
    );
    // An unknown procedure has no rules, so nothing is assessed.
    assert!(
        Assessment::new(known(), &{
            let mut f = both.clone();
            f.story.pathway = "made-up".into();
            f
        })
        .is_none()
    );
    // Gates that circle or fork are refused with their row.
    let file = known()
        .pathway_file(CUFF, Some(("own-ring", "Ring")))
        .expect("a copy");
    assert!(
        known()
            .with_files(&[NamedText {
                name: "pathways/own-ring.toml".into(),
                text: file.clone()
            }])
            .is_ok()
    );
    let ring = file.replace("from_phase = 2", "from_phase = 1");
    let faults = known()
        .with_files(&[NamedText {
            name: "pathways/own-ring.toml".into(),
            text: ring,
        }])
        .expect_err("refused");
    assert!(
        faults
            .iter()
            .any(|f| f.field == "from_phase" && f.problem.contains("circle")),
        "{faults:?}"
    );
}

#[test]
fn by_hand_lines_survive_a_new_proposal_and_the_difference_is_told() {
    let facts = somebody(CUFF, 38, 1);
    let first = Assessment::new(known(), &facts)
        .expect("known")
        .propose(Uuid::nil());
    let mut own = facts.clone();
    own.lines = first.lines.clone();
    own.lines[0].by_hand = true;
    own.lines[0].dose.repetitions += 1;
    let mine = own.lines[0].clone();
    let again = Assessment::new(known(), &own)
        .expect("known")
        .propose(Uuid::nil());
    assert!(again.lines.contains(&mine), "the clinician's line is gone");
    assert!(
        again
            .difference
            .iter()
            .any(|d| d.exercise == mine.exercise && d.change == "kept-by-hand")
    );
}

#[test]
fn what_if_moves_what_it_should_and_nothing_else() {
    let facts = somebody(CUFF, 38, 1);
    let nothing = what_if(known(), &facts, &Variant::default(), Uuid::nil()).expect("known");
    assert!(
        nothing.moved.is_empty() && nothing.exercises.is_empty(),
        "{:?}",
        nothing.moved
    );
    let late = Variant {
        schools: [("strength-start".to_owned(), "strength-16".to_owned())].into(),
        ..Variant::default()
    };
    let both = what_if(known(), &facts, &late, Uuid::nil()).expect("known");
    let gate = both
        .moved
        .iter()
        .find(|m| m.what == "to-early-strength")
        .expect("the gate moves");
    assert_eq!((gate.base, gate.variant), (Some(84.0), Some(112.0)));
    assert!(!both.moved.iter().any(|m| m.what == "to-assisted"));
    let missed = Variant {
        missed_days: Some(14),
        ..Variant::default()
    };
    let both = what_if(known(), &facts, &missed, Uuid::nil()).expect("known");
    let gate = both
        .moved
        .iter()
        .find(|m| m.what == "to-assisted")
        .expect("the gate moves");
    assert_eq!((gate.base, gate.variant), (Some(42.0), Some(56.0)));
    assert!(
        !both.moved.iter().any(|m| m.kind == "ceiling"),
        "healing does not wait"
    );
}
