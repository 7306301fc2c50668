//! Who was known a moment ago: a sender is asked for once a minute before bodies are read, not with each of them.

use std::collections::HashMap;
use std::sync::{Mutex, PoisonError};
use std::time::{Duration, Instant};

/// Senders that were asked about lately, by the digest of their token.
#[derive(Debug, Default)]
pub(crate) struct Senders(Mutex<HashMap<Vec<u8>, Instant>>);

impl Senders {
    /// How long the answer counts (our choice). It opens nothing: whoever writes is asked for again with the write.
    const FOR: Duration = Duration::from_secs(60);
    /// So many are remembered before those that are over are forgotten.
    const REMEMBERED: usize = 4096;

    /// Whether somebody with this token was known a moment ago.
    pub(crate) fn knows(&self, token: &[u8]) -> bool {
        let held = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        held.get(token).is_some_and(|at| at.elapsed() < Self::FOR)
    }

    /// Keeps that somebody with this token is known.
    pub(crate) fn remember(&self, token: Vec<u8>) {
        let mut held = self.0.lock().unwrap_or_else(PoisonError::into_inner);
        if held.len() >= Self::REMEMBERED {
            held.retain(|_, at| at.elapsed() < Self::FOR);
        }
        held.insert(token, Instant::now());
    }
}
