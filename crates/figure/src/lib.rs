//! Poses to pictures: one drawn person for screen and paper, made from the path of an exercise.
//!
//! Nothing here is drawn by hand: every line comes from joint positions worked out from key poses.

mod art;
mod body;
mod camera;
mod cues;
mod draw;
mod people;
mod props;
mod scene;

pub use draw::{
    figure_svg, limit_figure_svg, looping_figure_svg, moving_figure_svg, start_figure_svg,
};
pub use scene::FigureSpec;
