//! Where practitioners disagree, a choice does what it says: it changes something, and takes nothing away that it does not name.

use super::examined::find;
use super::pathways::somebody;
use super::plans::plan;
use super::shoulder::known;
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::{Facts, TestAnswer};
use ritorno_core::knowledge::{Dose, Level, Pathway, Retest, School};
use ritorno_core::plan::start_dose;
use ritorno_core::reading::Irritability;
use ritorno_core::rules::{Choices, Rules};
use ritorno_core::safety::{Status, check_exercise};
use std::collections::BTreeSet;

/// Days on which somebody may be first seen, and how many gates lie behind.
const SEEN: [(i32, usize); 6] = [(3, 0), (20, 1), (45, 1), (70, 2), (110, 3), (170, 4)];

fn choosing(pathway: &Pathway, (day, passed): (i32, usize), school: Option<&School>) -> Facts {
    let mut facts = somebody(&pathway.id, day, passed);
    let choice = school.map(|s| (s.question.clone(), s.id.clone()));
    facts.story.schools.extend(choice);
    // What a school asks for is on record.
    for need in school.iter().flat_map(|s| &s.needs) {
        let answer = match need.below {
            Some(below) => TestAnswer::Number { value: below - 1.0 },
            None => TestAnswer::Word {
                found: need.found[0],
            },
        };
        find(&mut facts, &need.test, answer);
    }
    facts
}

/// All that a choice of school can move.
#[derive(PartialEq)]
struct Effect {
    lines: Vec<(String, i32, i32, Dose)>,
    cues: BTreeSet<(String, String)>,
    pain: Vec<f64>,
    retest: Option<Retest>,
    sling: Option<(i32, i32)>,
    phases: Vec<i32>,
    doors: Vec<Option<i32>>,
}

fn effect(facts: &Facts) -> Effect {
    let assessment = Assessment::new(known(), facts).expect("a pathway");
    let rules = assessment.ctx().rules;
    let lines = plan(facts).lines;
    let cues = lines.iter().flat_map(|l| {
        let exercise = &known().exercises[&l.exercise];
        let told = rules.style.cues_of(exercise);
        let told = told.into_iter().map(|cue| (l.exercise.clone(), cue.into()));
        told.collect::<Vec<_>>()
    });
    Effect {
        cues: cues.collect(),
        lines: lines
            .into_iter()
            .map(|l| (l.exercise, l.from_day, l.to_day, l.dose))
            .collect(),
        retest: rules.style.retest,
        pain: (0..26).map(|week| rules.pain(week * 7).max).collect(),
        sling: rules
            .sling
            .as_ref()
            .map(|s| (s.day_and_night_until, s.nights_until)),
        doors: known()
            .gate_classes
            .keys()
            .map(|id| rules.class(id).map(|c| c.opens_day))
            .collect(),
        phases: rules.phases.iter().map(|p| p.earliest_day).collect(),
    }
}

/// Whether choosing it leads somewhere else than not choosing, for anybody who may be first seen on this pathway.
fn changes(pathway: &Pathway, school: &School) -> bool {
    SEEN.iter().any(|seen| {
        let usual = choosing(pathway, *seen, None);
        let chosen = choosing(pathway, *seen, Some(school));
        effect(&usual) != effect(&chosen)
    })
}

#[test]
fn every_school_changes_something() {
    let pathways = || known().pathways.values().filter(|p| !p.phases.is_empty());
    for pathway in pathways() {
        for school in pathway.schools.iter().filter(|s| !s.default) {
            assert!(
                changes(pathway, school),
                "{}: {} changes nothing",
                pathway.id,
                school.id
            );
        }
    }
    for school in known().schools.iter().filter(|s| !s.default) {
        assert!(
            pathways().any(|p| changes(p, school)),
            "{} changes nothing anywhere",
            school.id
        );
    }
}

/// Purposes of a plan.
fn purposes(facts: &Facts) -> BTreeSet<String> {
    let purpose = |e: &str| format!("{:?}", known().exercises[e].purpose);
    let lines = plan(facts).lines;
    lines.iter().map(|l| purpose(&l.exercise)).collect()
}

#[test]
fn a_school_takes_no_purpose_away_unless_it_says_so() {
    for pathway in known().pathways.values().filter(|p| !p.phases.is_empty()) {
        let all = pathway.schools.iter().chain(&known().schools);
        let leaves_out = |s: &&School| {
            !s.leave_out.is_empty()
                || !s.leave_out_exercises.is_empty()
                || s.raise_most_deg.is_some()
                || s.max_lines.is_some()
        };
        let mut lost: Vec<String> = Vec::new();
        // What only moves weeks, cues or doses keeps every purpose; what leads may crowd out another ladder of the same.
        for school in all.filter(|s| !s.default && !leaves_out(s)) {
            for seen in [SEEN[0], SEEN[3]] {
                let usual = purposes(&choosing(pathway, seen, None));
                let chosen = purposes(&choosing(pathway, seen, Some(school)));
                if !chosen.is_superset(&usual) {
                    lost.push(format!(
                        "{}, day {}, {}: {usual:?} became {chosen:?}",
                        pathway.id, seen.0, school.id
                    ));
                }
            }
        }
        assert!(lost.is_empty(), "{lost:#?}");
    }
}

/// What a school leaves out is not proposed, and whoever takes it nevertheless is told why it was not.
#[test]
fn what_a_school_leaves_out_is_not_proposed() {
    let counter = known()
        .pathways
        .values()
        .flat_map(|p| p.schools.iter().map(move |s| (p, s)))
        .find(|(p, s)| p.id == "first-dislocation" && s.id == "weight-counter-only")
        .expect("the school");
    let low = known()
        .schools
        .iter()
        .find(|s| s.id == "load-below-shoulder")
        .expect("the school");
    for (pathway, school) in [counter, (&known().pathways["subacromial-pain"], low)] {
        for seen in SEEN {
            let facts = choosing(pathway, seen, Some(school));
            let assessment = Assessment::new(known(), &facts).expect("a pathway");
            let style = &assessment.ctx().rules.style;
            for line in plan(&facts).lines {
                let exercise = &known().exercises[&line.exercise];
                assert_eq!(style.leaves_out(exercise), None, "{}", exercise.id);
            }
        }
    }
    let facts = choosing(counter.0, SEEN[3], Some(counter.1));
    let assessment = Assessment::new(known(), &facts).expect("a pathway");
    let style = &assessment.ctx().rules.style;
    let fours = &known().exercises["weight-bearing-all-fours-hold"];
    assert_eq!(style.leaves_out(fours), Some("weight-counter-only"));
    let counter_shift = &known().exercises["weight-bearing-counter-shift"];
    assert_eq!(style.leaves_out(counter_shift), None);
}

/// No school begins heavy where something heals, none does heavy lowering oftener than its row, and none cuts a round of directions.
#[test]
fn no_school_begins_heavier_while_something_heals() {
    let mut heavier = 0;
    for pathway in known().pathways.values().filter(|p| !p.phases.is_empty()) {
        let plain = Rules::new(known(), pathway, &Choices::default());
        for school in pathway.schools.iter().chain(&known().schools) {
            let choices = Choices {
                schools: [(school.question.clone(), school.id.clone())].into(),
                ..Choices::default()
            };
            let rules = Rules::new(known(), pathway, &choices);
            for exercise in known().exercises.values() {
                let of = |rules: &Rules| start_dose(rules, exercise, Irritability::Low, 200);
                let (usual, chosen) = (of(&plain), of(&rules));
                let about = format!("{}, {}, {}", pathway.id, school.id, exercise.id);
                let more =
                    chosen.load_kg > usual.load_kg || chosen.elastic_level > usual.elastic_level;
                assert!(!more || !rules.protects(), "{about}: {chosen:?}");
                heavier += usize::from(more);
                if exercise.hardest() >= Level::Eccentric {
                    assert!(
                        chosen.days_per_week <= exercise.dose.days_per_week,
                        "{about}"
                    );
                }
                if exercise.id == "isometric-own-hand-eight-ways" {
                    assert_eq!(chosen.repetitions, 8, "{about}");
                }
            }
        }
    }
    assert!(
        heavier > 20,
        "{heavier} doses begin heavier where nothing heals"
    );
}

#[test]
fn firm_work_after_a_slip_holds_only_with_everything_on_record() {
    use ritorno_core::visit::visit_view;
    let pathway = &known().pathways["instability-loose"];
    let school = pathway.schools.iter().find(|s| s.id == "firm-after-slip");
    let school = school.expect("the school");
    let early = "weight-bearing-all-fours-shift";
    // In the first fortnight.
    let soon = |facts: &Facts| {
        let lines = plan(facts).lines.into_iter();
        lines.filter(|l| l.from_day <= 14).collect::<Vec<_>>()
    };
    let has = |facts: &Facts| soon(facts).iter().any(|l| l.exercise == early);
    let all = choosing(pathway, SEEN[0], Some(school));
    let assessment = Assessment::new(known(), &all).expect("a pathway");
    let day = all.day();
    for id in [early, "row-straight-arm-to-hip"] {
        let exercise = &known().exercises[id];
        let verdict = check_exercise(&assessment.ctx(), exercise, &exercise.dose, day);
        let rules: Vec<String> = (verdict.findings.iter())
            .map(|f| format!("{:?}", f.reason))
            .collect();
        assert_ne!(verdict.status, Status::Blocked, "{id}: {rules:?}");
    }
    assert!(has(&all), "the builder leaves it out");
    let calls = visit_view(&assessment).calls;
    assert!(
        calls.iter().any(|r| r.rule == "school-bridges"),
        "{calls:?}"
    );
    let hardest = |facts: &Facts| {
        let lines = soon(facts)
            .into_iter()
            .filter(|l| l.exercise.starts_with("isometric"));
        lines.filter_map(|l| l.dose.effort_pct).max()
    };
    assert_eq!(hardest(&all), Some(70));
    let usual = choosing(pathway, SEEN[0], None);
    assert!(!has(&usual) && hardest(&usual).is_none_or(|effort| effort <= 30));
    // Each thing that is missing, or speaks against it, takes it back to the first stage and is named.
    for need in &school.needs {
        let mut less = all.clone();
        less.findings.retain(|f| f.test != need.test);
        let mut against = less.clone();
        let words = known().test(&need.test).expect("known").kind.answers();
        let other = match need.below {
            Some(below) => TestAnswer::Number { value: below },
            None => TestAnswer::Word {
                found: *words
                    .iter()
                    .find(|w| !need.found.contains(w))
                    .expect("another"),
            },
        };
        find(&mut against, &need.test, other);
        for facts in [less, against] {
            let assessment = Assessment::new(known(), &facts).expect("a pathway");
            let rules = assessment.ctx().rules;
            let holds = |id: &str| rules.schools.iter().any(|(_, s)| s == id);
            assert!(
                holds("first-stage") && !holds("firm-after-slip"),
                "{}",
                need.test
            );
            let calls = visit_view(&assessment).calls;
            assert!(
                calls.iter().any(|r| r.rule == "school-held-back"),
                "{calls:?}"
            );
            assert!(!has(&facts), "{}", need.test);
        }
    }
}
