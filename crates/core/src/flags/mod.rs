//! Red flags: what raises them, what asks about them, and how they leave.

mod causes;
mod derived;
mod view;

pub use causes::{CauseKind, CauseState, CauseView, Offer, may_rest_on};
pub use derived::Derived;
pub(crate) use derived::derived_flags;
pub(crate) use view::flag_views;
pub use view::{FlagState, FlagView};
