//! How much of an exercise is done, how long that takes, and the range of it.

use chrono::Weekday;
use serde::{Deserialize, Serialize};

/// How the sets of a session follow each other.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SetStructure {
    /// All sets of one exercise, then the next exercise.
    Straight,
    /// One set of each exercise, several rounds.
    Circuit,
    /// Single perfect repetitions with a pause after each.
    Single,
}

/// How much of an exercise is done. All of it is what the patient is told.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Dose {
    /// Sets, 1 to 10.
    pub sets: u32,
    /// Repetitions of each set, 1 to 60.
    pub repetitions: u32,
    /// Hold of each repetition in seconds, 0 to 300.
    #[serde(default)]
    pub hold_s: u32,
    /// Rest between sets in seconds, 0 to 300.
    #[serde(default)]
    pub rest_s: u32,
    /// Sessions a day, 1 to 8.
    pub times_per_day: u32,
    /// Days a week, 1 to 7.
    pub days_per_week: u32,
    /// Hand weight in kilograms, where there is one.
    #[serde(default)]
    pub load_kg: Option<f64>,
    /// Elastic level, 1 to 6, where there is one.
    #[serde(default)]
    pub elastic_level: Option<u32>,
    /// Share of the greatest effort in percent, for isometric work.
    #[serde(default)]
    pub effort_pct: Option<u32>,
    /// Seconds of the working way, the pause and the way back; without it about 4 s a repetition.
    #[serde(default)]
    pub tempo_s: Option<[u32; 3]>,
    /// How sets follow each other; straight without it.
    #[serde(default)]
    pub structure: Option<SetStructure>,
    /// Seconds of each set, for work that is timed and not counted: walking, turning a crank, kneading. Such a dose has one
    /// repetition and no hold.
    #[serde(default)]
    pub duration_s: Option<u32>,
    /// Greatest force of an elastic on the way in newtons, where it was worked out.
    #[serde(default)]
    pub force_n: Option<f64>,
    /// Distance to the anchor of an elastic in metres, where it differs from the row's.
    #[serde(default)]
    pub distance_m: Option<f64>,
    /// The days on which it is done; any without it.
    #[serde(default)]
    pub weekdays: Option<Weekdays>,
}

/// Days of the week, Monday first.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Weekdays(pub [bool; 7]);

impl Weekdays {
    /// How many days are chosen.
    pub fn count(self) -> u32 {
        self.0.iter().map(|day| u32::from(*day)).sum()
    }
}

/// A field of a dose that is out of bounds.
#[derive(Debug, Clone, PartialEq)]
pub struct DoseField {
    /// The field's name.
    pub field: &'static str,
    /// Least allowed.
    pub min: f64,
    /// Greatest allowed.
    pub max: f64,
    /// What was given.
    pub given: f64,
}

/// How long things take where a dose does not say so: thresholds `repetition-s` and `breath-s`.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Pace {
    /// Seconds of one repetition without a tempo and without its hold.
    pub repetition_s: u32,
    /// Seconds between single repetitions.
    pub breath_s: u32,
}

impl Dose {
    /// Seconds one repetition takes by the dose's own tempo, without its hold; nothing where it has none.
    pub fn own_tempo_s(&self) -> Option<u32> {
        let [out, pause, back] = self.tempo_s?;
        Some(out.saturating_add(pause).saturating_add(back))
    }

    /// Seconds one repetition takes without its hold.
    pub fn repetition_s(&self, pace: Pace) -> u32 {
        self.own_tempo_s().unwrap_or(pace.repetition_s)
    }

    /// Repetitions of one set; of timed work as many as the usual pace makes of it, for sums over the week only.
    pub fn set_repetitions(&self, pace: Pace) -> f64 {
        self.duration_s
            .map_or(f64::from(self.repetitions), |seconds| {
                f64::from(seconds) / f64::from(pace.repetition_s.max(1))
            })
    }

    /// Seconds of work in one set, without rests and breaths.
    pub fn set_s(&self, pace: Pace) -> f64 {
        self.duration_s.map_or_else(
            || {
                f64::from(self.repetitions)
                    * f64::from(self.hold_s.saturating_add(self.repetition_s(pace)))
            },
            f64::from,
        )
    }

    /// Minutes of one session of this exercise, at the usual pace where the dose has no tempo.
    ///
    /// ```
    /// let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge is sound");
    /// let row = known.exercises["pendulum-cradle"].dose;
    /// let dose = ritorno_core::knowledge::Dose {
    ///     sets: 2, repetitions: 10, hold_s: 0, rest_s: 60, tempo_s: None, duration_s: None, structure: None, ..row
    /// };
    /// // Twice ten repetitions of four seconds, and one rest between them.
    /// assert!((dose.minutes(known.pace()) - (80.0 + 60.0) / 60.0).abs() < 1e-12);
    /// ```
    ///
    /// In a circuit the other exercises are the rest; single repetitions take a breath each.
    pub fn minutes(&self, pace: Pace) -> f64 {
        let breath_s = if self.structure == Some(SetStructure::Single) && self.duration_s.is_none()
        {
            f64::from(self.repetitions) * f64::from(pace.breath_s)
        } else {
            0.0
        };
        let set_s = self.set_s(pace) + breath_s;
        let rests = if self.structure == Some(SetStructure::Circuit) {
            0
        } else {
            self.sets.saturating_sub(1)
        };
        (f64::from(self.sets) * set_s + f64::from(rests) * f64::from(self.rest_s)) / 60.0
    }

    /// Minutes of a day, evened out over the week.
    pub fn day_minutes(&self, pace: Pace) -> f64 {
        self.minutes(pace) * f64::from(self.times_per_day) * f64::from(self.days_per_week.min(7))
            / 7.0
    }

    /// Whether it is done on a day of the week: on the days it names, else on days spread evenly from Monday.
    pub fn on_weekday(&self, weekday: Weekday) -> bool {
        let place = weekday.num_days_from_monday();
        match self.weekdays {
            Some(days) => days.0[place as usize],
            None => {
                let many = self.days_per_week.min(7);
                (0..many).any(|i| i * 7 / self.days_per_week.clamp(1, 7) == place)
            }
        }
    }

    /// The days of the week it is done on, as in [`Dose::on_weekday`].
    pub fn days(&self) -> Weekdays {
        let on = |n: usize| Weekday::try_from(n as u8).is_ok_and(|day| self.on_weekday(day));
        Weekdays(std::array::from_fn(on))
    }

    /// Repetitions in a week.
    pub fn weekly_repetitions(&self, pace: Pace) -> f64 {
        f64::from(self.sets)
            * self.set_repetitions(pace)
            * f64::from(self.times_per_day)
            * f64::from(self.days_per_week)
    }
}

/// The reviewed range of a dose.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct DoseRange {
    /// Fewest and most sets.
    pub sets: [u32; 2],
    /// Fewest and most repetitions.
    pub repetitions: [u32; 2],
    /// Shortest and longest hold in seconds.
    pub hold_s: [u32; 2],
    /// Fewest and most sessions a day.
    pub times_per_day: [u32; 2],
    /// Shortest and longest set of timed work in seconds; only rows that are timed have it.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub duration_s: Option<[u32; 2]>,
    /// Greatest hand weight in kilograms.
    #[serde(default)]
    pub load_kg_max: Option<f64>,
    /// Greatest elastic level.
    #[serde(default)]
    pub elastic_level_max: Option<u32>,
}
