//! Poses to pictures: one drawn person for screen and paper, made from the path of an exercise.
//!
//! Nothing here is drawn by hand: every line comes from joint positions worked out from key poses.

mod body;
mod camera;
mod draw;

pub use draw::{FigureSpec, figure_svg, moving_figure_svg};
