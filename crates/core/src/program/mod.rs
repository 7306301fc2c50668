//! Phases, ceilings, the safety check and the builder.

mod build;
mod ceiling;
mod running;
mod safety;
mod schedule;
mod score;
mod snapshot;

pub use build::{LaterItem, MovedUp, Proposal, build};
pub use ceiling::{Band, Ceiling, CeilingToday, band_view, ceiling_on, floor_on};
pub use running::{running_lines, scheduled_lines};
pub use safety::{CheckContext, Finding, Status, Verdict, bars_position, check_exercise, check_line, resolved_path};
pub use schedule::{PhaseSpan, reached_phase, schedule};
pub use score::{
    CorridorView, DoseTotals, GateMark, LineView, MilestoneView, PrecautionSpan, ScoreView, SlingSpan, corridor_views, score_view,
};
pub use snapshot::{SNAPSHOT_VERSION, Snapshot, SnapshotError, read_snapshot};
