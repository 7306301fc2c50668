//! How the server does, for whoever runs it: an inner address tells it in the OpenMetrics text format. Numbers and address patterns
//! alone, nothing of a patient.

use crate::app::AppState;
use actix_web::body::MessageBody;
use actix_web::dev::{Server, ServiceRequest, ServiceResponse};
use actix_web::middleware::Next;
use actix_web::{App, Error, HttpResponse, HttpServer, web};
use prometheus_client::encoding::EncodeLabelSet;
use prometheus_client::encoding::text::encode;
use prometheus_client::metrics::counter::Counter;
use prometheus_client::metrics::family::Family;
use prometheus_client::metrics::gauge::Gauge;
use prometheus_client::metrics::histogram::Histogram;
use prometheus_client::registry::Registry;
use ritorno_store::keeping::health;
use std::net::TcpListener;
use std::sync::Arc;
use std::time::Instant;

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
#[derive(Debug, Clone)]
pub(crate) struct Metrics {
    requests: Family<Asked, Counter>,
    seconds: Histogram,
}

impl Default for Metrics {
    fn default() -> Self {
        Metrics {
            requests: Family::default(),
            seconds: Histogram::new(CLASSES_S),
        }
    }
}

/// Counts a request.
pub(crate) async fn measure(
    req: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, Error> {
    let begun = Instant::now();
    let metrics = req
        .app_data::<web::Data<AppState>>()
        .map(|state| state.metrics.clone());
    let method = req.method().to_string();
    let answer = next.call(req).await?;
    if let Some(metrics) = metrics {
        let route = answer.request().match_pattern();
        metrics.seconds.observe(begun.elapsed().as_secs_f64());
        metrics
            .requests
            .get_or_create(&Asked {
                method,
                route: route.unwrap_or_else(|| "pages".to_owned()),
                status: answer.status().as_u16(),
            })
            .inc();
    }
    Ok(answer)
}

/// Everything that can be told now, in the text format.
async fn tell(state: web::Data<AppState>) -> HttpResponse {
    let mut registry = Registry::with_prefix("ritorno");
    let Metrics { requests, seconds } = (*state.metrics).clone();
    registry.register("requests", "Requests answered", requests);
    registry.register("request_seconds", "Time to an answer", seconds);
    let mut gauge = |name: &str, help: &str, value: i64| {
        let gauge: Gauge = Gauge::default();
        gauge.set(value);
        registry.register(name, help, gauge);
    };
    let pool = state.pool.state();
    gauge(
        "connections",
        "Connections to the database",
        i64::from(pool.connections),
    );
    gauge(
        "connections_idle",
        "Connections that nobody uses",
        i64::from(pool.idle_connections),
    );
    let line = state.turns.standing();
    gauge(
        "waiting",
        "Requests that hold or wait for a connection",
        line as i64,
    );
    gauge(
        "database_silent",
        "1 while the database says nothing",
        i64::from(state.pulse.silent()),
    );
    // Of the database only what is there at once: a scrape never waits in the line of people.
    let day = state.today.date();
    if let Ok(found) = state.block(move |_, conn| Ok(health(conn, day)?)).await {
        gauge(
            "lanes_behind",
            "Lanes that the change of day has not come to",
            found.lanes_behind,
        );
        gauge(
            "lanes_ahead",
            "Lanes worked out for a day after today",
            found.lanes_ahead,
        );
        gauge(
            "jobs_late",
            "Jobs that should have been done before today",
            found.late_jobs,
        );
        gauge("database_bytes", "Size of the database", found.bytes);
    }
    let mut text = String::new();
    match encode(&mut text, &registry) {
        Ok(()) => HttpResponse::Ok()
            .content_type("application/openmetrics-text; version=1.0.0; charset=utf-8")
            .body(text),
        Err(_) => HttpResponse::InternalServerError().finish(),
    }
}

/// The server of the inner address.
///
/// # Errors
/// When the socket cannot be used.
pub fn metrics_server(state: AppState, listener: TcpListener) -> std::io::Result<Server> {
    let state = web::Data::new(state);
    Ok(HttpServer::new(move || {
        App::new()
            .app_data(state.clone())
            .route("/metrics", web::get().to(tell))
    })
    .workers(1)
    // The server of the people hears when it is to stop.
    .disable_signals()
    .listen(listener)?
    .run())
}

/// Counts that are shared by all workers.
pub(crate) type Shared = Arc<Metrics>;
