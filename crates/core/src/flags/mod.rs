//! Red flags: what raises them, what asks about them, and how they leave.

mod causes;
mod derived;
mod screen;
mod view;

pub use causes::{CauseKind, CauseState, CauseView, Offer, may_rest_on};
pub use derived::{Derived, derived_flags};
pub use screen::{Hit, screen};
pub use view::{FlagState, FlagView, flag_views};
