//! A limit that was shown in the room, in the words it has at home.

use crate::calendar::EpisodeDay;
use crate::context::CheckContext;
use crate::facts::{ExamFact, Facts};
use crate::rules::{Ceiling, ceiling_on};

/// The movements whose limits a patient is told, in the order of the sheet.
pub const TOLD_AT_HOME: [&str; 5] = [
    "passive-elevation",
    "active-elevation-lying",
    "active-elevation-upright",
    "passive-er-side",
    "hand-behind-back",
];

/// What a movement's limit of `day` is at home, where somebody moved the arm so far and the patient said what it is.
///
/// Only what lies at or below the ceiling of that day, and no further below it than `landmark-within-deg`: a landmark of a lower limit
/// would hold the arm back, one of a higher limit would lead beyond this one. The newest that fits. Source: our choice.
pub fn landmark_at_home<'a>(
    ctx: &CheckContext,
    facts: &'a Facts,
    quantity: &str,
    day: EpisodeDay,
) -> Option<&'a str> {
    let Ceiling::UpTo { value } =
        ceiling_on(ctx.rules, ctx.limits, quantity, day, ctx.today).ceiling
    else {
        return None;
    };
    let least = value - ctx.known.threshold("landmark-within-deg");
    facts
        .exam_notes
        .iter()
        .rev()
        .find_map(|note| match &note.fact {
            ExamFact::Landmark {
                quantity: of,
                degrees,
                words,
            } if of == quantity && (least..=value).contains(degrees) => Some(words.as_str()),
            _ => None,
        })
}
