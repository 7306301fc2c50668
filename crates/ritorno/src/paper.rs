//! The sheets of the application: set by `ritorno-handout`.

use ritorno_handout::{HandoutInput, contents, render, undrawn};
use ritorno_server::{Paper, SheetForm, SheetInput};
use ritorno_wording::Wordings;
use serde_json::Value;

/// Sets sheets with the shipped wording and template, in the language that the patient reads.
pub(crate) struct Typeset(Wordings);

impl Typeset {
    /// # Errors
    /// When the shipped wording does not parse.
    pub(crate) fn new() -> Result<Self, Box<dyn std::error::Error>> {
        let wordings = Wordings::shipped().map_err(|error| error.to_string())?;
        Ok(Typeset(wordings))
    }
}

impl Paper for Typeset {
    fn set(&self, input: SheetInput, form: SheetForm) -> Result<Vec<u8>, String> {
        let SheetForm {
            letter,
            large,
            code,
        } = form;
        let form = ritorno_handout::SheetForm {
            letter,
            large,
            code,
        };
        let wording = self.0.of(input.facts.story.reads);
        render(wording, &handed_out(input), &form).map_err(|error| error.to_string())
    }

    fn told(&self, input: SheetInput) -> Value {
        contents(self.0.of(input.facts.story.reads), &handed_out(input))
    }

    fn undrawn(&self, text: &str) -> String {
        undrawn(text)
    }
}

/// What the server hands over, as the sheet takes it.
fn handed_out(input: SheetInput<'_>) -> HandoutInput<'_> {
    let SheetInput {
        ctx,
        facts,
        name,
        version,
        signed_on,
        clinic,
    } = input;
    HandoutInput {
        ctx,
        facts,
        name,
        version,
        signed_on,
        clinic,
    }
}
