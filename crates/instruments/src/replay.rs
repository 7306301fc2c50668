//! Plays a recorded file: two columns, `t_s` and the value, one row a sample.

use crate::{Instrument, Lost, Quantity, Sample};
use thiserror::Error;

/// Why a file cannot be played.
#[derive(Debug, Error)]
pub enum ReplayError {
    /// Not a table of two columns of numbers.
    #[error("line {line}: {problem}")]
    Line {
        /// Line in the file, from 1.
        line: u64,
        /// What is wrong with it.
        problem: String,
    },
    /// No sample in it.
    #[error("the file holds no sample")]
    Empty,
}

/// A recorded measurement, played in batches of a tenth of a second of its own time.
#[derive(Debug)]
pub struct Replay {
    quantity: Quantity,
    samples: Vec<Sample>,
    at: usize,
}

impl Replay {
    /// From the text of a file with a header line.
    ///
    /// # Errors
    /// The line that is not two numbers; an empty file.
    pub fn from_csv(text: &str, quantity: Quantity) -> Result<Self, ReplayError> {
        let mut reader = csv::ReaderBuilder::new()
            .trim(csv::Trim::All)
            .from_reader(text.as_bytes());
        let mut samples = Vec::new();
        for record in reader.records() {
            let record = record.map_err(|e| ReplayError::Line {
                line: e.position().map_or(0, csv::Position::line),
                problem: e.to_string(),
            })?;
            let line = record.position().map_or(0, csv::Position::line);
            let number = |i: usize| -> Result<f64, ReplayError> {
                let text = record.get(i).unwrap_or_default();
                text.parse().map_err(|_| ReplayError::Line {
                    line,
                    problem: format!("`{text}` is not a number"),
                })
            };
            samples.push(Sample {
                t_s: number(0)?,
                value: number(1)?,
            });
        }
        if samples.is_empty() {
            Err(ReplayError::Empty)
        } else {
            Ok(Replay {
                quantity,
                samples,
                at: 0,
            })
        }
    }
}

impl Instrument for Replay {
    fn quantity(&self) -> Quantity {
        self.quantity
    }
    fn rate_hz(&self) -> f64 {
        let span = self.samples.last().map_or(0.0, |s| s.t_s) - self.samples[0].t_s;
        if span > 0.0 {
            (self.samples.len() - 1) as f64 / span
        } else {
            50.0
        }
    }
    fn next_batch(&mut self) -> Result<Option<Vec<Sample>>, Lost> {
        let Some(first) = self.samples.get(self.at) else {
            return Ok(None);
        };
        let until = first.t_s + 0.0999;
        // At least one sample a batch, or a file whose clock runs backwards would never end.
        let end = (self.at + 1..self.samples.len())
            .find(|i| self.samples[*i].t_s > until)
            .unwrap_or(self.samples.len());
        let batch = self.samples[self.at..end].to_vec();
        self.at = end;
        Ok(Some(batch))
    }
}
