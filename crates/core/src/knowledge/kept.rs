//! What was worked out lately, by all that it was worked out from: it cannot be out of date.

use quick_cache::sync::Cache;
use std::hash::Hash;

/// At most `MOST` values; those nobody asked for longest make room. A copy begins empty: what it belongs to may change.
pub(crate) struct Kept<K, V, const MOST: usize>(Cache<K, V>);

impl<K: Eq + Hash, V: Clone, const MOST: usize> Kept<K, V, MOST> {
    /// The value of a key, worked out by `work` where it is not kept.
    pub(crate) fn of<Q>(&self, key: &Q, work: impl FnOnce() -> V) -> V
    where
        Q: Hash + quick_cache::Equivalent<K> + ToOwned<Owned = K> + ?Sized,
    {
        if let Some(kept) = self.0.get(key) {
            return kept;
        }
        let value = work();
        self.0.insert(key.to_owned(), value.clone());
        value
    }
}

impl<K: Eq + Hash, V: Clone, const MOST: usize> Default for Kept<K, V, MOST> {
    fn default() -> Self {
        Kept(Cache::new(MOST))
    }
}

impl<K: Eq + Hash, V: Clone, const MOST: usize> Clone for Kept<K, V, MOST> {
    fn clone(&self) -> Self {
        Kept::default()
    }
}

impl<K, V, const MOST: usize> std::fmt::Debug for Kept<K, V, MOST> {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.write_str("Kept")
    }
}
