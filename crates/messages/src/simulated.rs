//! A simulated message service: takes messages, delivers none, and shows what was sent. What it holds is gone when it ends.

use crate::{Became, Message, Stopped};
use actix_web::dev::Server;
use actix_web::{App, HttpResponse, HttpServer, Responder, get, post, web};
use serde::{Deserialize, Serialize};
use serde_json::json;
use std::collections::HashMap;
use std::net::TcpListener;
use std::sync::{Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};
use uuid::Uuid;

/// How the service behaves, on a switch.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
enum Behaviour {
    /// Every message is delivered at once.
    #[default]
    Delivers,
    /// A message is on its way for a while.
    Delays,
    /// Messages are taken and cannot be delivered.
    Fails,
    /// Messages are not taken.
    Refuses,
    /// A message is taken, and nobody hears of it.
    Silent,
    /// Every answer is that it is away.
    Away,
}

/// How long a delayed message is on its way.
const ON_ITS_WAY: Duration = Duration::from_secs(30);
/// How long a silent service says nothing: longer than anybody waits.
const SILENCE: Duration = Duration::from_secs(20);
/// Messages held; the oldest go.
const HELD: usize = 500;

/// A message that was taken.
#[derive(Debug, Clone)]
struct Taken {
    message: Message,
    behaviour: Behaviour,
    at: Instant,
    /// How often the same key came again.
    repeats: u32,
}

impl Taken {
    fn became(&self) -> Became {
        match self.behaviour {
            Behaviour::Fails => Became::Failed,
            Behaviour::Delays if self.at.elapsed() < ON_ITS_WAY => Became::Waiting,
            _ => Became::Delivered,
        }
    }
}

#[derive(Debug, Default)]
struct Held {
    behaviour: Behaviour,
    taken: Vec<Taken>,
    place: HashMap<Uuid, usize>,
    stopped: Vec<Stopped>,
    answers: u64,
}

type Service = web::Data<Mutex<Held>>;

fn lock(service: &Service) -> MutexGuard<'_, Held> {
    service.lock().unwrap_or_else(PoisonError::into_inner)
}

fn away() -> HttpResponse {
    HttpResponse::ServiceUnavailable().json(json!({ "simulated": true }))
}

#[post("/messages")]
async fn take(service: Service, message: web::Json<Message>) -> HttpResponse {
    let message = message.into_inner();
    let (behaviour, now) = {
        let mut held = lock(&service);
        let behaviour = held.behaviour;
        match behaviour {
            Behaviour::Away => return away(),
            Behaviour::Refuses => {
                return HttpResponse::UnprocessableEntity().json(json!({ "simulated": true }));
            }
            _ => {}
        }
        let place = held.place.get(&message.key).copied();
        let place = match place {
            Some(place) => {
                held.taken[place].repeats += 1;
                place
            }
            None => {
                if held.taken.len() >= HELD {
                    held.taken.clear();
                    held.place.clear();
                }
                let place = held.taken.len();
                held.place.insert(message.key, place);
                held.taken.push(Taken {
                    message,
                    behaviour,
                    at: Instant::now(),
                    repeats: 0,
                });
                place
            }
        };
        (behaviour, held.taken[place].became())
    };
    if behaviour == Behaviour::Silent {
        actix_web::rt::time::sleep(SILENCE).await;
    }
    HttpResponse::Accepted().json(json!({ "simulated": true, "became": now }))
}

#[get("/messages/{key}")]
async fn became(service: Service, key: web::Path<Uuid>) -> HttpResponse {
    let held = lock(&service);
    if held.behaviour == Behaviour::Away {
        return away();
    }
    match held.place.get(&*key) {
        Some(place) => HttpResponse::Ok()
            .json(json!({ "simulated": true, "became": held.taken[*place].became() })),
        None => HttpResponse::NotFound().json(json!({ "simulated": true })),
    }
}

#[get("/stopped")]
async fn stopped(service: Service) -> HttpResponse {
    let held = lock(&service);
    match held.behaviour {
        Behaviour::Away => away(),
        _ => HttpResponse::Ok().json(&held.stopped),
    }
}

#[post("/stopped/{id}/heard")]
async fn heard(service: Service, id: web::Path<u64>) -> impl Responder {
    lock(&service).stopped.retain(|one| one.id != *id);
    HttpResponse::NoContent()
}

/// The person who got a message answers that they want no more.
#[post("/messages/{key}/stop")]
async fn stop(service: Service, key: web::Path<Uuid>) -> HttpResponse {
    let mut held = lock(&service);
    let Some(place) = held.place.get(&*key).copied() else {
        return HttpResponse::NotFound().finish();
    };
    held.answers += 1;
    let answer = Stopped {
        id: held.answers,
        channel: held.taken[place].message.channel,
        from: held.taken[place].message.to.clone(),
    };
    held.stopped.push(answer);
    HttpResponse::NoContent().finish()
}

/// How the service is to behave from now on.
#[derive(Deserialize)]
struct Behave {
    behaviour: Behaviour,
}

#[post("/behaviour")]
async fn behave(service: Service, asked: web::Json<Behave>) -> impl Responder {
    lock(&service).behaviour = asked.behaviour;
    HttpResponse::NoContent()
}

/// Everything that was sent, the newest first.
#[get("/sent")]
async fn sent(service: Service) -> impl Responder {
    let held = lock(&service);
    let sent: Vec<_> = held
        .taken
        .iter()
        .rev()
        .map(|taken| {
            json!({
                "key": taken.message.key,
                "channel": taken.message.channel,
                "to": taken.message.to,
                "words": taken.message.words,
                "became": taken.became(),
                "repeats": taken.repeats,
                "seconds_ago": taken.at.elapsed().as_secs(),
            })
        })
        .collect();
    web::Json(json!({ "simulated": true, "behaviour": held.behaviour, "sent": sent }))
}

#[get("/")]
async fn page() -> impl Responder {
    HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((
            "Content-Security-Policy",
            "default-src 'none'; script-src 'self'; style-src 'self'; connect-src 'self'",
        ))
        .body(include_str!("page/index.html"))
}

#[get("/page.js")]
async fn script() -> impl Responder {
    HttpResponse::Ok()
        .content_type("text/javascript; charset=utf-8")
        .body(include_str!("page/page.js"))
}

#[get("/page.css")]
async fn style() -> impl Responder {
    HttpResponse::Ok()
        .content_type("text/css; charset=utf-8")
        .body(include_str!("page/page.css"))
}

/// The simulated service on a listening socket.
///
/// # Errors
/// When the socket cannot be used.
pub fn simulated(listener: TcpListener) -> std::io::Result<Server> {
    let service = Service::new(Mutex::default());
    let server = HttpServer::new(move || {
        App::new()
            .app_data(service.clone())
            .service(take)
            .service(became)
            .service(stopped)
            .service(heard)
            .service(stop)
            .service(behave)
            .service(sent)
            .service(page)
            .service(script)
            .service(style)
    });
    Ok(server.workers(1).disable_signals().listen(listener)?.run())
}
