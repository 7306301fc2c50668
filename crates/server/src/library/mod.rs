//! The exercise library, the load bench, and the clinic's levels of elastic.

mod cards;
mod levels;
mod load;

pub(crate) use cards::{exercise_figure, exercises};
pub(crate) use levels::{add_elastic, elastics};
pub(crate) use load::exercise_load;
