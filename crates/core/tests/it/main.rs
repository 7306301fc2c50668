//! The core against the shipped knowledge: rules, published timing, properties.
mod gates;
mod house;
mod knowledge;
mod plans;
mod properties;
mod shoulder;
