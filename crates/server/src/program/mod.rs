//! Program: build, check while editing, save, sign.

mod lines;
mod page;
mod propose;
mod save;
mod versions;
mod week;

pub(crate) use lines::{check_lines, with_pull, within_budget};
pub(crate) use page::program_page;
pub(crate) use propose::{build_program, check_program, what_if_program};
pub(crate) use save::{save_program, sign_program};
pub(crate) use versions::program_versions;
pub(crate) use week::{add_home_hours, plan_week};
