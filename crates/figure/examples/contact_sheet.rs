//! All figures on one page, to be looked at: `cargo run -p ritorno-figure --example contact_sheet > sheet.html`. Words after it keep
//! the exercises whose id has one of them.

use ritorno_core::mechanics::Arm;
use ritorno_figure::{FigureSpec, figure_svg};

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped())?;
    println!(
        "<body style='display:grid;grid-template-columns:repeat(9,1fr);gap:6px;font:12px sans-serif'>"
    );
    let mut all: Vec<_> = known.exercises.values().collect();
    let words: Vec<String> = std::env::args().skip(1).collect();
    if !words.is_empty() {
        all.retain(|e| words.iter().any(|word| e.id.contains(word.as_str())));
    }
    all.sort_by(|a, b| (&a.ladder, a.rung).cmp(&(&b.ladder, b.rung)));
    for exercise in all {
        let spec = FigureSpec {
            exercise,
            path: exercise.path(),
            arm: Arm::Right,
            limited: false,
            title: &exercise.id,
        };
        // Ids in the drawing are per document: inline drawings would share them.
        let svg = figure_svg(&spec).replace('#', "%23").replace('"', "'");
        println!(
            "<div>{}<br><img style='height:118px;max-width:100%' src=\"data:image/svg+xml;utf8,{svg}\"></div>",
            exercise.id
        );
    }
    Ok(())
}
