//! A push against a device.

use crate::mechanics::Arm;
use chrono::NaiveDate;
use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// Devices that may sign a trace. All are stand-ins of the demo, and their names say so.
pub const STAND_INS: [&str; 2] = ["simulated-dynamometer", "recorded-push"];

impl StrengthTrial {
    /// Whether a stand-in invented it: kept and shown, never evidence.
    pub fn simulated(&self) -> bool {
        self.device
            .as_deref()
            .is_some_and(|d| STAND_INS.contains(&d))
    }
}

/// One push. Append-only: an undo withdraws.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StrengthTrial {
    /// Id, made by the client.
    pub id: Uuid,
    /// Strength test id.
    pub test: String,
    /// Side.
    pub side: Arm,
    /// Greatest force in newtons.
    pub peak_n: f64,
    /// Distance from the axis to the pad in metres.
    pub lever_m: Option<f64>,
    /// Pain during the push, 0 to 10.
    pub pain: Option<f64>,
    /// The device that measured it, e.g. `simulated-dynamometer`; none when it was typed.
    pub device: Option<String>,
    /// Whether the trace was sound.
    pub sound: bool,
    /// The day of the push.
    pub on: NaiveDate,
    /// Anything else about it, in words.
    #[serde(default)]
    pub remark: String,
}
