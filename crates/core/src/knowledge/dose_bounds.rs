//! Whether a dose lies within human sense.

use super::dose::{Dose, DoseField, Weekdays};
use super::set::Knowledge;

impl Dose {
    /// The first field outside human sense, if any. Source of the bounds: `bounds.toml`.
    pub fn fault(&self, known: &Knowledge) -> Option<DoseField> {
        let count = |value: u32| Some(f64::from(value));
        let fields = [
            ("sets", count(self.sets)),
            ("repetitions", count(self.repetitions)),
            ("hold_s", count(self.hold_s)),
            ("rest_s", count(self.rest_s)),
            ("times_per_day", count(self.times_per_day)),
            ("days_per_week", count(self.days_per_week)),
            ("load_kg", self.load_kg),
            ("elastic_level", self.elastic_level.and_then(count)),
            ("effort_pct", self.effort_pct.and_then(count)),
            ("tempo_s", self.own_tempo_s().and_then(count)),
            ("duration_s", self.duration_s.and_then(count)),
            ("pull_n", self.force_n),
            ("distance_m", self.distance_m),
            ("weekdays", self.weekdays.and_then(|w| count(w.count()))),
        ];
        // The check counts the days of a week, the sheet names them: they are the same days.
        let named = self.weekdays.map(Weekdays::count);
        let apart = named.filter(|n| *n != self.days_per_week).map(|n| {
            let wanted = f64::from(self.days_per_week);
            DoseField {
                field: "weekdays",
                min: wanted,
                max: wanted,
                given: f64::from(n),
            }
        });
        let outside = fields.into_iter().find_map(|(field, value)| {
            let given = value?;
            let bound = known.possible(field, given).err()?;
            Some(DoseField {
                field,
                min: bound.min,
                max: bound.max,
                given,
            })
        });
        outside.or(apart)
    }
}
