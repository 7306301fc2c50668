//! Strength: pushes, their traces, and simulated devices.

mod devices;
mod page;
mod push;

pub(crate) use devices::{angle, force, stream};
pub(crate) use page::show_strength;
pub(crate) use push::{PushForm, add_push, keep_push, show_trace};
