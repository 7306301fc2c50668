//! All figures on one page, to be looked at: `cargo run -p ritorno-figure --example contact_sheet > sheet.html`.

use ritorno_core::knowledge::{NamedText, load};
use ritorno_core::mechanics::Arm;
use ritorno_figure::{FigureSpec, figure_svg};
use std::path::Path;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../knowledge");
    let mut files = Vec::new();
    for folder in ["", "exercises", "pathways"] {
        for entry in std::fs::read_dir(root.join(folder))? {
            let path = entry?.path();
            if path.extension().is_some_and(|e| e == "toml") {
                let name = path.strip_prefix(&root)?.to_string_lossy().into_owned();
                files.push(NamedText { name, text: std::fs::read_to_string(&path)? });
            }
        }
    }
    let known = load(&files).map_err(|faults| format!("{faults:#?}"))?;
    println!("<body style='display:grid;grid-template-columns:repeat(10,1fr);gap:6px;font:12px sans-serif'>");
    for exercise in known.exercises.values() {
        let spec = FigureSpec { exercise, path: exercise.path(), arm: Arm::Right, limited: false, title: &exercise.id };
        // Ids in the drawing are per document: inline drawings would share them.
        let svg = figure_svg(&spec).replace('#', "%23").replace('"', "'");
        println!("<div>{}<br><img style='height:118px;max-width:100%' src=\"data:image/svg+xml;utf8,{svg}\"></div>", exercise.id);
    }
    Ok(())
}
