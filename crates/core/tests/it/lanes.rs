//! A lane says on which day it may say something else: between those days nobody needs to work it out.

use crate::shoulder::{known, limit, on, pass, read, shoulder};
use ritorno_core::assessment::Assessment;
use ritorno_core::facts::*;
use ritorno_core::lanes::{Lane, lane, next_change};
use uuid::Uuid;

fn lane_on(facts: &Facts, day: i32) -> Lane {
    let mut then = facts.clone();
    then.today = on(day);
    let assessment = Assessment::new(known(), &then).expect("a known pathway");
    lane(&assessment.ctx(), &then)
}

/// Lanes day by day, worked out only on the days that a lane named; and how often that was.
fn by_named_days(facts: &Facts, days: std::ops::Range<i32>, most: u32) -> (Vec<Lane>, usize) {
    let (mut out, mut worked): (Vec<Lane>, usize) = (Vec::new(), 0);
    let mut due = on(days.start);
    for day in days {
        if on(day) >= due {
            let now = lane_on(facts, day);
            let mut then = facts.clone();
            then.today = on(day);
            due = next_change(known(), &then, &now, most);
            assert!(due > on(day), "a day to come");
            out.push(now);
            worked += 1;
        } else {
            out.push(out.last().expect("worked out before").clone());
        }
    }
    (out, worked)
}

#[test]
fn working_out_lanes_on_the_named_days_only_gives_what_every_day_gives() {
    let mut measured = shoulder(20);
    read(
        &mut measured,
        "passive-elevation",
        95.0,
        20,
        StopReason::Stiff,
    );
    read(
        &mut measured,
        "passive-er-side",
        15.0,
        20,
        StopReason::Stiff,
    );
    pass(&mut measured, "to-protected-passive", 15);
    let mut limited = measured.clone();
    limited.limits = vec![limit("passive-elevation", 100.0, Some(42))];
    let mut sore = measured.clone();
    sore.log.push(LogEntry {
        id: Uuid::now_v7(),
        exercise: None,
        on: on(22),
        fact: LogFact::Slip,
        remark: String::new(),
    });
    let (mut worked_in_all, mut moved_in_all) = (0, 0);
    for facts in [shoulder(20), measured, limited, sore] {
        let every: Vec<Lane> = (20..80).map(|day| lane_on(&facts, day)).collect();
        moved_in_all += every.windows(2).filter(|w| w[0] != w[1]).count();
        let (named, worked) = by_named_days(&facts, 20..80, 14);
        assert_eq!(named, every);
        worked_in_all += worked;
    }
    assert!(moved_in_all >= 4, "{moved_in_all}: nothing to forget");
    assert!(
        worked_in_all < 4 * 60 / 2,
        "{worked_in_all} times is no gain over every day"
    );
}
