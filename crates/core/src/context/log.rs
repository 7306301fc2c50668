//! The home log by exercise and by day, indexed once an assessment: a rule that asks about one day never walks through years.

use crate::calendar::EpisodeDay;
use crate::facts::{Facts, LeftBecause, LogEntry, LogFact};
use std::collections::{BTreeMap, HashMap};

/// Day and place in [`Facts::log`] of entries, by day and within a day in the order in which they were made.
type Places = Vec<(EpisodeDay, usize)>;

/// The home log by exercise and by day.
///
/// ```
/// use ritorno_core::context::LogIndex;
/// use ritorno_core::facts::{Facts, LogEntry, LogFact, Start, Story};
/// use ritorno_core::mechanics::Arm;
///
/// let day0 = chrono::NaiveDate::from_ymd_opt(2027, 1, 22).expect("a date");
/// let story = Story::begun("subacromial-pain", Arm::Right, day0, Start::Gradual);
/// let mut facts = Facts::new(day0 + chrono::Days::new(3), day0, story);
/// let done = |sessions| LogFact::Done { sessions, repetitions: 10 };
/// for fact in [done(1), done(2)] {
///     facts.log.push(LogEntry {
///         id: uuid::Uuid::nil(),
///         exercise: Some("pendulum".into()),
///         on: day0 + chrono::Days::new(1),
///         fact,
///         remark: String::new(),
///     });
/// }
/// let log = LogIndex::of(&facts);
/// // A later entry for the same day and exercise corrects the earlier one.
/// assert_eq!(log.sessions(&facts, "pendulum", 1), Some(2));
/// // What nobody told is not known; it is not nothing.
/// assert_eq!(log.sessions(&facts, "pendulum", 2), None);
/// ```
#[derive(Debug, Clone, Default)]
pub struct LogIndex {
    entries: usize,
    own: BTreeMap<String, Places>,
    whole_day: Places,
    slips: Vec<usize>,
}

/// The index of a shoulder about which nothing was logged.
static NOTHING: LogIndex = LogIndex {
    entries: 0,
    own: BTreeMap::new(),
    whole_day: Vec::new(),
    slips: Vec::new(),
};

impl LogIndex {
    /// Reads a log once.
    pub fn of(facts: &Facts) -> Self {
        let mut own: HashMap<&str, Places> = HashMap::new();
        let mut whole_day = Places::new();
        let mut slips = Vec::new();
        for (at, entry) in facts.log.iter().enumerate() {
            let places = match entry.exercise.as_deref() {
                None => &mut whole_day,
                Some(id) => own.entry(id).or_default(),
            };
            places.push((facts.day_of(entry.on), at));
            if entry.fact.is_slip() {
                slips.push(at);
            }
        }
        // What was entered late stands among its day; a log in the order of its days costs nothing here.
        own.values_mut()
            .chain([&mut whole_day])
            .filter(|places| !places.is_sorted())
            .for_each(|places| places.sort_unstable());
        LogIndex {
            entries: facts.log.len(),
            own: own
                .into_iter()
                .map(|(id, at)| (id.to_owned(), at))
                .collect(),
            whole_day,
            slips,
        }
    }

    /// An empty log.
    pub fn nothing() -> &'static LogIndex {
        &NOTHING
    }

    /// What was told about an exercise itself: each day with its entries in order, oldest day first.
    pub fn days<'s, 'f>(
        &'s self,
        facts: &'f Facts,
        exercise: &str,
    ) -> impl DoubleEndedIterator<Item = (EpisodeDay, Told<'s, 'f>)> + use<'s, 'f> {
        self.belongs_to(facts);
        let places = self.own.get(exercise).map_or(&[][..], Vec::as_slice);
        places
            .chunk_by(|a, b| a.0 == b.0)
            .map(move |day| (day[0].0, Told { facts, places: day }))
    }

    /// What was told of a day about an exercise itself.
    pub fn own<'s, 'f>(
        &'s self,
        facts: &'f Facts,
        exercise: &str,
        day: EpisodeDay,
    ) -> Told<'s, 'f> {
        self.belongs_to(facts);
        let places = self.own.get(exercise).map_or(&[][..], Vec::as_slice);
        Told::of(facts, places, day)
    }

    /// What was told of a day as a whole.
    pub fn whole_day<'s, 'f>(&'s self, facts: &'f Facts, day: EpisodeDay) -> Told<'s, 'f> {
        self.belongs_to(facts);
        Told::of(facts, &self.whole_day, day)
    }

    /// Sessions of an exercise on a day, as they were told last; `None` when nobody told.
    pub fn sessions(&self, facts: &Facts, exercise: &str, day: EpisodeDay) -> Option<u32> {
        self.own(facts, exercise, day).last(|fact| match fact {
            LogFact::Done { sessions, .. } => Some(*sessions),
            LogFact::LeftOut { .. } => Some(0),
            _ => None,
        })
    }

    /// Why an exercise was left out on a day, where the last word of the day says so.
    pub fn left_because(
        &self,
        facts: &Facts,
        exercise: &str,
        day: EpisodeDay,
    ) -> Option<LeftBecause> {
        let last = self.own(facts, exercise, day).last(|fact| match fact {
            LogFact::Done { .. } => Some(None),
            LogFact::LeftOut { because } => Some(*because),
            _ => None,
        });
        last.flatten()
    }

    /// Every slip, in the order of the log.
    pub fn slips<'f>(
        &self,
        facts: &'f Facts,
    ) -> impl DoubleEndedIterator<Item = &'f LogEntry> + use<'_, 'f> {
        self.belongs_to(facts);
        self.slips.iter().filter_map(|at| facts.log.get(*at))
    }

    fn belongs_to(&self, facts: &Facts) {
        debug_assert_eq!(
            self.entries,
            facts.log.len(),
            "this index belongs to other facts"
        );
    }
}

/// What was told of one day.
#[derive(Debug, Clone, Copy)]
pub struct Told<'s, 'f> {
    facts: &'f Facts,
    places: &'s [(EpisodeDay, usize)],
}

impl<'s, 'f> Told<'s, 'f> {
    fn of(facts: &'f Facts, places: &'s [(EpisodeDay, usize)], day: EpisodeDay) -> Self {
        let from = places.partition_point(|(d, _)| *d < day);
        let until = from + places[from..].partition_point(|(d, _)| *d == day);
        Told {
            facts,
            places: &places[from..until],
        }
    }

    /// Everything, in the order in which it was told.
    pub fn facts(self) -> impl DoubleEndedIterator<Item = &'f LogFact> + use<'s, 'f> {
        let log = &self.facts.log;
        let at = self.places.iter().filter_map(move |(_, at)| log.get(*at));
        at.map(|entry| &entry.fact)
    }

    /// The newest of what `pick` looks for: a later entry of a day corrects an earlier one.
    pub fn last<T>(self, pick: impl Fn(&LogFact) -> Option<T>) -> Option<T> {
        self.facts().rev().find_map(pick)
    }
}
