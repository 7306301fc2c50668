//! Pathways: what ships, and the clinic's own.

mod keep;
mod page;

pub(crate) use keep::{check_pathway, copy_pathway, retire_pathway, save_pathway};
pub(crate) use page::{list_pathways, show_pathway};
