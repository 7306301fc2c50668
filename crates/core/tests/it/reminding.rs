//! Nobody is woken by a reminder.

use crate::shoulder::known;
use chrono::{Duration, NaiveDateTime, NaiveTime};
use proptest::prelude::*;
use ritorno_core::facts::Reminding;

fn time(minutes: u32) -> NaiveTime {
    NaiveTime::from_hms_opt(minutes / 60, minutes % 60, 0).expect("a time")
}

proptest! {
    /// Whatever the hours: the moment is never earlier, at most a day later, and outside them; outside them it stays.
    #[test]
    fn what_is_put_off_is_put_off_to_the_end_of_the_quiet_hours(
        from in 0u32..1440, until in 0u32..1440, at in 0i64..4320,
    ) {
        let mut wish = Reminding::none(known());
        (wish.quiet_from, wish.quiet_until) = (time(from), time(until));
        let midnight: NaiveDateTime = "2027-03-27T00:00:00".parse().expect("a moment");
        let asked = midnight + Duration::minutes(at);
        let then = wish.after_quiet(asked);
        // Minute by minute, by the clock on the wall.
        let quiet = |moment: NaiveDateTime| {
            let (now, from, until) = (moment.time(), time(from), time(until));
            if from <= until { now >= from && now < until } else { now >= from || now < until }
        };
        let walked = (0..=1440)
            .map(|minutes| asked + Duration::minutes(minutes))
            .find(|moment| !quiet(*moment));
        prop_assert_eq!(Some(then), walked);
    }
}
