//! Instruments behind one trait: the simulated dynamometer and inclinometer that ship with the application, and a stand-in
//! that plays a recorded file. Nothing here knows the network: whoever streams asks for a batch every tenth of a second.

mod replay;
mod simulated;

pub use replay::{Replay, ReplayError};
pub use simulated::{Dynamometer, Inclinometer, Push};

use thiserror::Error;

/// What a device measures.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Quantity {
    /// Newtons.
    ForceN,
    /// Degrees.
    AngleDeg,
}

/// One sample: seconds since the start, and the value in the device's unit.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Sample {
    /// Seconds since the start.
    pub t_s: f64,
    /// In the device's unit.
    pub value: f64,
}

/// The device is gone: switched off, out of reach, cable pulled.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Error)]
#[error("the device was lost")]
pub struct Lost;

/// A device that gives samples at a steady rate.
pub trait Instrument: Send {
    /// What it measures.
    fn quantity(&self) -> Quantity;
    /// Samples a second, 50 to 100.
    fn rate_hz(&self) -> f64;
    /// The samples of the next tenth of a second; `None` when the measurement has ended.
    ///
    /// # Errors
    /// `Lost` when the device is gone; what came before stays valid.
    fn next_batch(&mut self) -> Result<Option<Vec<Sample>>, Lost>;
}
