//! How far the reading holds: published clusters, made-up people, several studies, groups beside each other.

use crate::examined::{find, model, of, sore, view, word};
use crate::population::{HARD, KIND, judge_all};
use crate::shoulder::known;
use ritorno_core::facts::*;
use ritorno_core::knowledge::Found;

#[test]
fn the_dependence_gives_back_what_was_published_of_tests_together() {
    // With the shares of the very study, so that only the dependence is judged. Each line names its source and how far it may lie off;
    // those the dependence was not fitted to are in the table as well.
    for line in crate::clusters::against(known()) {
        let off = (line.own / line.published).ln().abs();
        // Only what was not fitted may be disputed.
        assert!(line.factor <= 2.0 || !line.fitted, "{}", line.source);
        // With all studies it speaks the same way, at least.
        assert!(
            (line.pooled > 1.0) == (line.published > 1.0),
            "{}",
            line.pooled
        );
        assert!(
            off < line.factor.ln(),
            "{}, {} of {:?} ({}): model {:.2}, published {}",
            line.hypothesis,
            line.positive,
            line.tests,
            line.source,
            line.own,
            line.published
        );
    }
}

#[test]
fn likely_holds_in_made_up_people_even_where_the_world_is_hard() {
    // A small slice of the example `reading_held`, with more room for chance; `./test --long` examines more of them.
    let cases = std::env::var("PROPTEST_CASES").ok();
    let people = 300.max(cases.and_then(|c| c.parse().ok()).unwrap_or(0));
    let at = |world| {
        let about = "full-thickness-cuff-tear";
        judge_all(known(), model(), about, (world, people, 11))
    };
    let (kind, hard) = (at(KIND), at(HARD));
    assert!((0.75..1.4).contains(&kind.slope()), "{}", kind.slope());
    assert!(hard.slope() > 0.6, "{}", hard.slope());
    for (world, held) in [("kind", kind), ("hard", hard)] {
        let (likely, right) = held.likely;
        assert!(
            likely >= 20 && right * 100 >= 85 * likely,
            "{world}: {right} of {likely}"
        );
        let (unlikely, had) = held.unlikely;
        assert!(
            unlikely >= 20 && had * 100 <= 12 * unlikely,
            "{world}: {had} of {unlikely}"
        );
    }
}

#[test]
fn a_test_of_several_studies_stands_between_them_and_tells_each_source() {
    // Random effects on log odds, worked with a statistics language: sensitivity, specificity (studies recalled, not read).
    for (hypothesis, test, sensitivity, specificity) in [
        ("subacromial-pain", "hawkins-kennedy", 0.810, 0.502),
        ("subacromial-pain", "painful-arc", 0.603, 0.770),
        ("subscapularis-tear", "lift-off", 0.218, 0.979),
        ("anterior-instability", "apprehension", 0.815, 0.919),
    ] {
        let rows = &known().test(test).expect("known").accuracy;
        let row = rows.iter().find(|a| a.hypothesis == hypothesis);
        let row = row.expect("it speaks for it");
        let got = (row.point_sensitivity(), 1.0 - row.point_false_positive());
        assert!(
            (got.0 - sensitivity).abs() < 6e-4 && (got.1 - specificity).abs() < 6e-4,
            "{test}: {got:?}"
        );
    }
    let mut facts = sore();
    find(&mut facts, "hawkins-kennedy", word(Found::Familiar));
    let seen = view(&facts);
    let told = &of(&seen, "subacromial-pain").steps[0].tests[0];
    assert_eq!(told.further.len(), 3, "{told:?}");
}

#[test]
fn signs_of_other_kinds_count_less_beside_stronger_ones_and_the_page_says_so() {
    let mut facts = sore();
    find(&mut facts, "er-lag", TestAnswer::Number { value: 15.0 });
    let alone = of(&view(&facts), "full-thickness-cuff-tear").clone();
    assert_eq!(alone.steps[0].counts_for, 1.0);
    find(&mut facts, "full-can", word(Found::WeakPainful));
    let both = of(&view(&facts), "full-thickness-cuff-tear").clone();
    let [strong, weak] = &both.steps[..] else {
        panic!("two kinds of signs: {:?}", both.steps)
    };
    let less = known().threshold("further-groups-pct") / 100.0;
    assert_eq!((strong.counts_for, weak.counts_for), (1.0, less));
    assert!((weak.log_ratio - less * weak.tests[0].ratio_alone.ln()).abs() < 1e-3);
    assert!(both.why.iter().any(|r| r.rule == "groups-share"));
    assert!(both.probability > alone.probability);
}
