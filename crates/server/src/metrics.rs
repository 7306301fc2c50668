//! How the server does, for whoever runs it: an inner address tells it in the OpenMetrics text format. Numbers and address patterns
//! alone, nothing of a patient.

use crate::app::AppState;
use actix_web::body::MessageBody;
use actix_web::dev::{Server, ServiceRequest, ServiceResponse};
use actix_web::middleware::Next;
use actix_web::{App, Error, HttpResponse, HttpServer, web};
use prometheus_client::encoding::text::encode;
use prometheus_client::metrics::gauge::Gauge;
use prometheus_client::registry::Registry;
use ritorno_store::keeping::health;
use std::net::TcpListener;
use std::time::Instant;

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
        let route = route.unwrap_or_else(|| "pages".to_owned());
        metrics.count(method, route, answer.status().as_u16(), begun.elapsed());
    }
    Ok(answer)
}

/// Everything that can be told now, in the text format.
async fn tell(state: web::Data<AppState>) -> HttpResponse {
    let mut registry = Registry::with_prefix("ritorno");
    state.metrics.tell(&mut registry);
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
