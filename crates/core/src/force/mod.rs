//! What a shoulder can do against a device, and how hard an exercise is for one body and set-up.

mod elastics;
mod load_table;
mod load_view;
mod pull;
mod setup;
mod share;
mod solve;
mod strength;
mod trace;

pub use elastics::{ElasticLevel, elastic_levels};
pub use load_table::{LoadRow, load_table};
pub use load_view::{Along, LoadStep, LoadView, load_view};
pub use pull::{greatest_pull_n, pull_of_dose};
pub use setup::{Setup, SetupFault, complete};
pub use share::share_of_strength;
pub use solve::{SolveFor, solve};
pub use strength::{
    StrengthPage, StrengthSet, StrengthView, newest_set, sets_on, strength_barred, strength_page,
};
pub use trace::{ForceSample, TraceMeasurement, read_trace};
