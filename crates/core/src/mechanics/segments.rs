//! What an arm weighs and where: segment masses, lengths and centres from body mass and height.

use crate::confidence::Confidence;
use serde::{Deserialize, Serialize};
use thiserror::Error;

/// Standard gravity used throughout, m/s².
pub const GRAVITY: f64 = 9.81;

/// Sex as the tables split it.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Sex {
    /// Female.
    Female,
    /// Male.
    Male,
}

/// One segment of a table.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct Segment {
    /// Mass as a share of body mass.
    pub mass: f64,
    /// Length as a share of body height.
    pub length: f64,
    /// Centre of mass from the proximal end, as a share of the segment's length.
    pub centre: f64,
}

/// A published table of the arm. Masses and centres are never mixed between tables.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
pub struct SegmentTable {
    /// Stable id.
    pub id: String,
    /// Whom it describes; everybody without it.
    #[serde(default)]
    pub sex: Option<Sex>,
    /// Shoulder to elbow.
    pub upper_arm: Segment,
    /// Elbow to wrist.
    pub forearm: Segment,
    /// Wrist to the grip's knuckles; a held weight acts at the hand's centre.
    pub hand: Segment,
    /// Where the row comes from.
    pub source: String,
    /// How sure we are.
    pub confidence: Confidence,
}

/// A body to compute for.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Person {
    /// Body mass, 2 to 350 kg.
    pub mass_kg: f64,
    /// Body height, 0.4 to 2.5 m.
    pub height_m: f64,
}

/// A body that cannot be.
#[derive(Debug, Clone, Copy, PartialEq, Error)]
#[error("{field} is {given}, possible are {min} to {max}")]
pub struct PersonFault {
    /// `mass_kg` or `height_m`.
    pub field: &'static str,
    /// What was given.
    pub given: f64,
    /// Least possible.
    pub min: f64,
    /// Greatest possible.
    pub max: f64,
}

impl Person {
    /// The body of the worked examples: 75 kg, 1.75 m.
    pub const REFERENCE: Person = Person {
        mass_kg: 75.0,
        height_m: 1.75,
    };

    /// Checks mass and height.
    ///
    /// # Errors
    /// The first of the two that is outside human bounds; no number is no body either.
    pub fn checked(self) -> Result<Person, PersonFault> {
        for (field, given, min, max) in [
            ("mass_kg", self.mass_kg, 2.0, 350.0),
            ("height_m", self.height_m, 0.4, 2.5),
        ] {
            if !(min..=max).contains(&given) {
                return Err(PersonFault {
                    field,
                    given,
                    min,
                    max,
                });
            }
        }
        Ok(self)
    }
}

/// An arm in kilograms and metres.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct ArmBody {
    /// Shoulder to elbow, m.
    pub upper_arm_m: f64,
    /// Elbow to wrist, m.
    pub forearm_m: f64,
    /// Wrist to the hand's centre, where a weight is held, m.
    pub grip_m: f64,
    /// Masses of upper arm, forearm, hand, kg.
    pub mass_kg: [f64; 3],
    /// Centres from shoulder, elbow, wrist, m.
    pub centre_m: [f64; 3],
    /// Body height, m.
    pub height_m: f64,
    /// Body mass, kg.
    pub body_kg: f64,
}

impl ArmBody {
    /// The arm of a person by a table.
    pub fn new(table: &SegmentTable, person: Person) -> ArmBody {
        let segments = [table.upper_arm, table.forearm, table.hand];
        let length = segments.map(|s| s.length * person.height_m);
        let centre_m = [0, 1, 2].map(|i| segments[i].centre * length[i]);
        ArmBody {
            upper_arm_m: length[0],
            forearm_m: length[1],
            grip_m: centre_m[2],
            mass_kg: segments.map(|s| s.mass * person.mass_kg),
            centre_m,
            height_m: person.height_m,
            body_kg: person.mass_kg,
        }
    }

    /// Weight of the whole arm, N.
    pub fn weight_n(&self) -> f64 {
        self.mass_kg.iter().sum::<f64>() * GRAVITY
    }
}
