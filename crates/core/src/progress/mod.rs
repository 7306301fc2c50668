//! Gates, criteria, adherence, and what a pathway watches for.

mod adherence;
mod count;
mod criterion;
mod distance;
mod gate;
mod home_grid;
mod moved;
mod status;
mod watch;

pub(crate) use adherence::day_share;
pub use adherence::{Adherence, adherence, adherence_lately, adherence_pct};
pub(crate) use criterion::evaluate;
pub use distance::{ContactView, contact_view, held_today, out_of_reach};
pub use gate::{GateView, evaluate_gate, next_gate};
pub use home_grid::{HomeCell, HomeGrid, HomeRow, home_grid};
pub use status::{CriterionStatus, CriterionView};
pub use watch::{WatchView, watch_views};
