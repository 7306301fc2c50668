//! Ranges: what may be measured today, what a measurement means, what changed, and what a new one calls for.

mod breach;
mod calls;
mod change;
mod compared;
mod conflict;
mod corridor;
mod dial;
mod inclinometer;
mod landmark;
mod measurement_view;
mod protection;
mod reliability;
mod trend;

pub use breach::{Breach, open_breach, open_breaches};
pub(crate) use calls::calls_of;
pub use calls::{CALLS, calls, is_due, max_age_days};
pub use change::{ChangeView, ChangeWord, change_word, changes, default_detectable, detectable};
pub use compared::measure_for;
pub use conflict::in_conflict;
pub use corridor::{CorridorDot, CorridorView, corridor_view, corridor_views};
pub use dial::{Dial, DialSide, dials};
pub use inclinometer::{AngleMeasurement, AngleSample, read_angle};
pub use landmark::{TOLD_AT_HOME, landmark_at_home};
pub use measurement_view::{MeasurementView, judge, judge_anew, measurement_view};
pub use protection::{RangeFault, possible, protection};
pub use reliability::{
    Estimate, IccBand, Reliability, ReliabilityError, icc_band, mdc95, reliability,
};
pub use trend::{FanDay, Reach, Trend, TrendBounds};
