//! Deciding progress: stop, step back, hold, more of it, or the next rung; each with its rule, its inputs and their dates,
//! the alternatives that were not taken, and the sentence for the patient. The clinician accepts, changes or overrides.
//!
//! Source of the thresholds: common practice, no published source; the pain rules after Thomeé 1997 and Silbernagel 2007 as
//! used by Holmgren 2012, from memory. All of them are rows in `thresholds.toml`.

mod case;
mod change;
mod decide;
mod decision;
mod diary;
mod onward;
mod trouble;

pub use change::{
    BadDay, apply, asks_more, at_top, bad_day, eased, half_load, less, lower_half, more,
    more_often, stronger_elastic,
};
pub use decide::{decide, decide_line};
pub use decision::{Alternative, Change, LineDecision, Move};
