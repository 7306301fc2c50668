//! From a ceiling to a landmark of the body.
//!
//! The landmark is the highest one that lies below the ceiling for everybody, so it errs low.
//! Source: our choice, from shoulder, chest and eye heights of a standing person (from memory).

use ritorno_core::knowledge::Exercise;
use ritorno_core::program::{Ceiling, CheckContext, ceiling_on};
use ritorno_wording::Wording;

fn landmark(quantity: &str, ceiling: Ceiling) -> Option<&'static str> {
    let pick = |value: f64, marks: &[(f64, &'static str)], least: &'static str| {
        marks.iter().rev().find(|(from, _)| value >= *from).map_or(least, |(_, id)| *id)
    };
    Some(match (quantity, ceiling) {
        ("passive-elevation", Ceiling::NoneAllowed) => "landmark-elevation-none",
        (q, Ceiling::NoneAllowed) if q.starts_with("active-elevation") => "landmark-active-none",
        ("passive-er-side", Ceiling::NoneAllowed) => "landmark-rotation-none",
        ("hand-behind-back", Ceiling::NoneAllowed) => "landmark-behind-none",
        ("hand-behind-back", Ceiling::UpTo { value }) => {
            pick(value, &[(2.0, "landmark-behind-2"), (6.0, "landmark-behind-6")], "landmark-behind-none")
        }
        ("hand-behind-back", Ceiling::Free) => "landmark-behind-free",
        (q, Ceiling::UpTo { value }) if q.contains("elevation") => pick(
            value,
            &[
                (45.0, "landmark-elevation-45"),
                (70.0, "landmark-elevation-70"),
                (95.0, "landmark-elevation-95"),
                (120.0, "landmark-elevation-125"),
                (150.0, "landmark-elevation-160"),
            ],
            "landmark-elevation-none",
        ),
        (q, Ceiling::Free) if q.contains("elevation") => "landmark-elevation-free",
        ("passive-er-side", Ceiling::UpTo { value }) => pick(
            value,
            &[(5.0, "landmark-rotation-5"), (25.0, "landmark-rotation-35"), (45.0, "landmark-rotation-50")],
            "landmark-rotation-none",
        ),
        ("passive-er-side", Ceiling::Free) => "landmark-rotation-free",
        _ => return None,
    })
}

/// Today's limits as `(what, how far)`, in plain words.
pub fn limit_rows(ctx: &CheckContext, wording: &Wording, day: i32) -> Vec<(String, String)> {
    ["passive-elevation", "active-elevation-lying", "active-elevation-upright", "passive-er-side", "hand-behind-back"]
        .into_iter()
        .filter_map(|quantity| {
            let on = ceiling_on(ctx.pathway, ctx.limits, quantity, day, ctx.today);
            let id = landmark(quantity, on.ceiling)?;
            Some((wording.say(&format!("limit-{quantity}"), &[]), wording.say(id, &[])))
        })
        .collect()
}

/// How far one exercise may go, in plain words; empty when nothing limits it.
pub fn session_limit(ctx: &CheckContext, wording: &Wording, exercise: &Exercise, day: i32) -> String {
    let Some(adapts) = &exercise.adapts else { return String::new() };
    let on = ceiling_on(ctx.pathway, ctx.limits, &adapts.quantity, day, ctx.today);
    match on.ceiling {
        Ceiling::Free => String::new(),
        ceiling => landmark(&adapts.quantity, ceiling).map(|id| wording.say(id, &[])).unwrap_or_default(),
    }
}
