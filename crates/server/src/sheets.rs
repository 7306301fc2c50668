//! Sheets that go home: who sets them, and those that were set lately.

use actix_web::web::Bytes;
use ritorno_core::context::CheckContext;
use ritorno_core::facts::{ClinicDefaults, Facts};
use serde_json::Value;
use std::collections::VecDeque;

/// What goes on a sheet.
#[derive(Debug, Clone, Copy)]
pub struct SheetInput<'a> {
    /// The context of the checks.
    pub ctx: &'a CheckContext<'a>,
    /// The facts.
    pub facts: &'a Facts,
    /// The patient's name.
    pub name: &'a str,
    /// Version of the signed program.
    pub version: i32,
    /// When it was signed.
    pub signed_on: chrono::NaiveDate,
    /// What the clinic says of itself: its name, whom to call and when.
    pub clinic: &'a ClinicDefaults,
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

/// Sets sheets for the printer. The application brings one; the server knows none, so that its tests need none.
pub trait Paper: Send + Sync {
    /// The sheet as PDF.
    ///
    /// # Errors
    /// In words, for the log.
    fn set(&self, input: SheetInput, form: SheetForm) -> Result<Vec<u8>, String>;

    /// What stands on the sheet, in words, for the patient's own page.
    fn told(&self, _input: SheetInput) -> Value {
        Value::Null
    }

    /// The letters of a text that cannot be drawn, each once.
    fn undrawn(&self, _text: &str) -> String {
        String::new()
    }
}

/// No sheets are set here.
pub(crate) struct NoPaper;

impl Paper for NoPaper {
    fn set(&self, _: SheetInput, _: SheetForm) -> Result<Vec<u8>, String> {
        Err("no paper was brought".to_owned())
    }
}

/// Sheets kept, so that printing again sets nothing again.
const SHEETS_KEPT: usize = 32;

/// Sheets set lately, the oldest first.
#[derive(Default)]
pub(crate) struct Sheets(VecDeque<([u8; 32], Bytes)>);

impl Sheets {
    /// The sheet set from this, where it is still kept.
    pub(crate) fn get(&self, key: &[u8; 32]) -> Option<Bytes> {
        let (_, pdf) = self.0.iter().find(|(kept, _)| kept == key)?;
        Some(pdf.clone())
    }

    /// Keeps a sheet; the oldest goes.
    pub(crate) fn keep(&mut self, key: [u8; 32], pdf: Bytes) {
        if self.0.len() >= SHEETS_KEPT {
            self.0.pop_front();
        }
        self.0.push_back((key, pdf));
    }
}
