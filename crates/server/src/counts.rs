//! Counts of what was asked and how long it took, shared by all workers.

use prometheus_client::encoding::EncodeLabelSet;
use prometheus_client::metrics::counter::Counter;
use prometheus_client::metrics::family::Family;
use prometheus_client::metrics::histogram::Histogram;
use prometheus_client::registry::Registry;
use std::time::Duration;

/// Upper ends of the classes of time, in seconds.
const CLASSES_S: [f64; 10] = [0.005, 0.01, 0.025, 0.05, 0.1, 0.15, 0.25, 0.5, 1.0, 5.0];

/// What a request was.
#[derive(Debug, Clone, PartialEq, Eq, Hash, EncodeLabelSet)]
struct Asked {
    method: String,
    /// The pattern of the address: a search carries a name, an address an id.
    route: String,
    status: u16,
}

/// Counts of what was asked, and how long it took.
#[derive(Debug)]
pub(crate) struct Counts {
    requests: Family<Asked, Counter>,
    seconds: Histogram,
}

impl Default for Counts {
    fn default() -> Self {
        Counts {
            requests: Family::default(),
            seconds: Histogram::new(CLASSES_S),
        }
    }
}

impl Counts {
    /// One request that was answered.
    pub(crate) fn count(&self, method: String, route: String, status: u16, took: Duration) {
        self.seconds.observe(took.as_secs_f64());
        let asked = Asked {
            method,
            route,
            status,
        };
        self.requests.get_or_create(&asked).inc();
    }

    /// Puts the counts among what is told.
    pub(crate) fn tell(&self, registry: &mut Registry) {
        registry.register("requests", "Requests answered", self.requests.clone());
        registry.register("request_seconds", "Time to an answer", self.seconds.clone());
    }
}
