//! Story: what happened, and the red flags.

mod flags;
mod page;

pub(crate) use flags::{answer_flags, screen_text, step_on_flag};
pub(crate) use page::{StoryPage, edit, page, show_story};
