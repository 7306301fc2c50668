//! Exercises of a phase as they are written: a ladder and a span of its rungs.

use super::exercise::Exercise;
use serde::{Deserialize, Serialize};

/// A ladder and some of its rungs, written `active-elevation 1-3, 5-9`.
///
/// ```
/// use ritorno_core::knowledge::RungSpan;
/// let span = RungSpan::try_from("active-elevation 1-3, 5".to_owned()).unwrap();
/// assert_eq!(span.rungs().collect::<Vec<_>>(), [1, 2, 3, 5]);
/// assert!(RungSpan::try_from("active-elevation 3-1".to_owned()).is_err());
/// ```
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
#[serde(try_from = "String", into = "String")]
pub struct RungSpan {
    /// The ladder's id.
    pub ladder: String,
    /// First and last rung of each run, rising.
    pub runs: Vec<[u32; 2]>,
}

/// No ladder is longer than this. Source: our choice, so that a slip of the pen does not ask for a million rungs.
const MOST_RUNGS: u32 = 99;

impl RungSpan {
    /// The rungs in order.
    pub fn rungs(&self) -> impl Iterator<Item = u32> + '_ {
        self.runs.iter().flat_map(|[from, to]| *from..=*to)
    }

    /// The ids of its exercises, or the first rung that the ladder does not have.
    ///
    /// # Errors
    /// What is wrong, in words.
    pub fn resolve<'a>(
        &self,
        exercises: impl Iterator<Item = &'a Exercise>,
    ) -> Result<Vec<String>, String> {
        let own: Vec<&Exercise> = exercises.filter(|e| e.ladder == self.ladder).collect();
        if own.is_empty() {
            return Err(format!("no ladder `{}`", self.ladder));
        }
        self.rungs()
            .map(|rung| {
                own.iter()
                    .find(|e| e.rung == rung)
                    .map(|e| e.id.clone())
                    .ok_or_else(|| format!("ladder `{}` has no rung {rung}", self.ladder))
            })
            .collect()
    }
}

impl TryFrom<String> for RungSpan {
    type Error = String;

    fn try_from(text: String) -> Result<Self, Self::Error> {
        let wrong = || format!("`{text}`: write a ladder and its rungs, such as `pendulum 1-4, 6`");
        let (ladder, rest) = text.trim().split_once(' ').ok_or_else(wrong)?;
        let mut runs: Vec<[u32; 2]> = Vec::new();
        for part in rest.split(',') {
            let (from, to) = part.trim().split_once('-').unwrap_or((part, part));
            let number = |s: &str| s.trim().parse::<u32>().map_err(|_| wrong());
            let [from, to] = [number(from)?, number(to)?];
            let rises = from >= 1
                && from <= to
                && to <= MOST_RUNGS
                && runs.last().is_none_or(|last| last[1] < from);
            if !rises {
                return Err(wrong());
            }
            runs.push([from, to]);
        }
        Ok(RungSpan {
            ladder: ladder.to_owned(),
            runs,
        })
    }
}

impl From<RungSpan> for String {
    fn from(span: RungSpan) -> String {
        let runs: Vec<String> = span
            .runs
            .iter()
            .map(|[from, to]| {
                if from == to {
                    from.to_string()
                } else {
                    format!("{from}-{to}")
                }
            })
            .collect();
        format!("{} {}", span.ladder, runs.join(", "))
    }
}
