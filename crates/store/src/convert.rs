//! Between wire words in text columns and the core's enums.

use crate::StoreError;
use serde::de::DeserializeOwned;

/// The wire word of an enum without data.
pub(crate) use ritorno_core::reason::wire as word;

/// The enum of a wire word.
pub(crate) fn unword<T: DeserializeOwned>(what: &'static str, text: &str) -> Result<T, StoreError> {
    serde_json::from_value(serde_json::Value::String(text.to_owned()))
        .map_err(|_| StoreError::Unreadable(what))
}

/// A column that holds a small count, as the core counts it. The database's checks keep it from being negative.
pub(crate) fn count(value: i32) -> u32 {
    u32::try_from(value).unwrap_or(0)
}

/// The words somebody looks for, each as a pattern that finds it anywhere. % and _ are letters to a person who types them.
pub(crate) fn parts(search: &str) -> impl Iterator<Item = String> + '_ {
    search.split_whitespace().map(|part| {
        let plain = part
            .replace('\\', "\\\\")
            .replace('%', "\\%")
            .replace('_', "\\_");
        format!("%{plain}%")
    })
}

/// The way back.
pub(crate) fn column(value: u32) -> i32 {
    i32::try_from(value).unwrap_or(i32::MAX)
}
