//! Filling the template and printing it.

use crate::contents::{HandoutInput, contents, explained, figure_file, limit_file};
use crate::landmarks::limit_rows;
use ritorno_core::knowledge::Exercise;
use ritorno_core::safety::resolved_path;
use ritorno_figure::{FigureSpec, figure_svg, limit_figure_svg, start_figure_svg};
use ritorno_wording::Wording;
use thiserror::Error;
use typst::foundations::Bytes;
use typst::text::Font;
use typst_as_lib::TypstEngine;

const TEMPLATE: &str = include_str!("../templates/handout.typ");
const FONTS: [&[u8]; 2] = [
    include_bytes!("../fonts/Regular.ttf"),
    include_bytes!("../fonts/Bold.ttf"),
];

/// Why a sheet could not be printed.
#[derive(Debug, Error)]
pub enum HandoutError {
    /// The template does not compile with this data.
    #[error("the sheet cannot be set: {0}")]
    Typesetting(String),
    /// The pages cannot be written as PDF.
    #[error("the sheet cannot be written: {0}")]
    Writing(String),
}

/// The letters of a text that a sheet cannot draw, each once, in their order: they would stand there as boxes.
///
/// The fonts hold Latin with all its marks, Greek and Cyrillic. Marks that a letter carries come composed (NFC).
pub fn undrawn(text: &str) -> String {
    let fonts = FONTS.map(|font| Font::new(Bytes::new(font), 0));
    let drawn = |c: char| {
        let mut fonts = fonts.iter().flatten();
        c.is_whitespace() || fonts.all(|font| font.info().coverage.contains(u32::from(c)))
    };
    let mut out = String::new();
    for c in text.chars().filter(|c| !drawn(*c)) {
        if !out.contains(c) {
            out.push(c);
        }
    }
    out
}

/// How a sheet is wanted.
#[derive(Debug, Clone, Copy, Default)]
pub struct SheetForm<'a> {
    /// On the paper of North America instead of A4.
    pub letter: bool,
    /// In large print.
    pub large: bool,
    /// The picture of the link to the patient's own page, SVG, where one goes along.
    pub code: Option<&'a str>,
}

/// The drawing of where an exercise begins, beside the sheet.
const START: &str = "-start.svg";

fn start_file(exercise: &Exercise) -> String {
    format!("{}{START}", exercise.id)
}

/// Prints the sheet for today.
///
/// # Errors
/// When the template and the data do not fit together, which the tests keep from happening.
pub fn render(
    wording: &Wording,
    input: &HandoutInput,
    form: &SheetForm,
) -> Result<Vec<u8>, HandoutError> {
    let HandoutInput { ctx, facts, .. } = *input;
    let mut files: Vec<(String, Vec<u8>)> = Vec::new();
    for (exercise, _) in explained(input) {
        let path = resolved_path(ctx, exercise, ctx.today);
        let limited = path.keys.last() != exercise.path().keys.last();
        let spec = FigureSpec {
            exercise,
            path,
            arm: facts.story.side,
            limited,
            title: &wording.say(&format!("ex-{}", exercise.id), &[]),
        };
        files.push((figure_file(exercise), figure_svg(&spec).into_bytes()));
        if let Some(start) = start_figure_svg(&spec) {
            files.push((start_file(exercise), start.into_bytes()));
        }
    }
    // Any row will do: nothing of it is drawn.
    if let Some(any) = ctx.known.exercises.values().next() {
        for row in limit_rows(ctx, facts, wording, ctx.today) {
            let Some(way) = row.way else { continue };
            let title = format!("{}: {}", row.what, row.how);
            let svg = limit_figure_svg(any, way, facts.story.side, &title);
            files.push((limit_file(row.quantity), svg.into_bytes()));
        }
    }
    let mut data = contents(wording, input);
    let there = |name: &str| files.iter().any(|(file, _)| file == name);
    for exercise in data["exercises"].as_array_mut().into_iter().flatten() {
        let id = exercise["id"].as_str().unwrap_or_default();
        let start = format!("{id}{START}");
        exercise["start_figure"] = there(&start).then_some(start).into();
    }
    data["paper"] = if form.letter { "us-letter" } else { "a4" }.into();
    data["large"] = form.large.into();
    if let Some(code) = form.code {
        files.push(("code.svg".to_owned(), code.as_bytes().to_vec()));
    }
    data["code"] = form.code.is_some().into();
    let data = data.to_string();
    files.push(("data.json".to_owned(), data.into_bytes()));
    print(files)
}

fn print(files: Vec<(String, Vec<u8>)>) -> Result<Vec<u8>, HandoutError> {
    let engine = TypstEngine::builder()
        .main_file(TEMPLATE)
        .fonts(FONTS)
        .with_static_file_resolver(
            files
                .iter()
                .map(|(name, bytes)| (name.as_str(), bytes.clone())),
        )
        .build();
    let document = engine
        .compile()
        .output
        .map_err(|error| HandoutError::Typesetting(error.to_string()))?;
    typst_pdf::pdf(&document, &typst_pdf::PdfOptions::default())
        .map_err(|errors| HandoutError::Writing(format!("{errors:?}")))
}
