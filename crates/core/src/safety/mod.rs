//! May this exercise be done, on this day, at this dose? Nothing above this room may answer otherwise.

mod allowances;
mod check;
mod demands;
mod dose;
mod line;
mod path;
mod positions;
mod running;
mod verdict;

pub use allowances::effort_most;
pub use check::check_exercise;
pub use dose::rest_findings;
pub use line::check_line;
pub use path::resolved_path;
pub use positions::{barred_until, bars_position};
pub use running::{running_lines, scheduled_lines};
pub use verdict::{Finding, Status, Verdict};
