//! The core against the shipped knowledge: rules, published timing, properties.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends
mod choosing;
mod courses;
mod criteria;
mod deciding;
mod examined;
mod facts;
mod gates;
mod harmless;
mod house;
mod knowledge;
mod library;
mod loading;
mod mechanics;
mod monotone;
mod outcome;
mod paths;
mod pathways;
mod plans;
mod properties;
mod reading;
mod reading_rules;
mod shoulder;
mod snapshot;
mod strength;
mod trend;
mod watching;
