//! Times one read of the day's list over HTTP against the same SQL, session query included. `./bench` runs it.

use diesel::prelude::*;
use ritorno_server::{AppState, Today, read_knowledge, server};
use ritorno_store::{daylist, open_pool, session};
use std::net::TcpListener;
use std::path::Path;
use std::time::Instant;

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../..");
    let pool = open_pool(&std::env::var("DATABASE_URL")?);
    let state = AppState::new(
        pool.clone(),
        read_knowledge(&root.join("knowledge"))?,
        Today::Fixed("2027-03-01".parse()?),
        root.join("web/dist"),
    );
    let listener = TcpListener::bind("127.0.0.1:0")?;
    let address = format!("http://{}", listener.local_addr()?);
    std::thread::spawn(move || {
        actix_web::rt::System::new().block_on(async move {
            if let Ok(running) = server(state, listener, 1) {
                let _ = running.await;
            }
        });
    });
    let agent = ureq::Agent::new_with_defaults();
    let signed = agent
        .post(format!("{address}/api/session"))
        .header("origin", &address)
        .send_json(serde_json::json!({ "login": "demo", "password": "molo-nove" }))?;
    let cookie = signed
        .headers()
        .get("set-cookie")
        .and_then(|v| v.to_str().ok())
        .and_then(|v| v.split(';').next())
        .unwrap_or_default()
        .to_owned();
    let token = cookie.trim_start_matches("ritorno_session=").to_owned();
    let digest: Vec<u8> = <sha2::Sha256 as sha2::Digest>::digest(token.as_bytes()).to_vec();
    let mut conn = pool.get()?;
    let (mut over_http, mut plain) = (Vec::new(), Vec::new());
    for round in 0..220 {
        let start = Instant::now();
        let body = agent
            .get(format!("{address}/api/day-list"))
            .header("cookie", &cookie)
            .call()?
            .body_mut()
            .read_to_vec()?;
        let http = start.elapsed().as_secs_f64() * 1000.0;
        let start = Instant::now();
        conn.transaction::<_, diesel::result::Error, _>(|conn| {
            let _ = session::of(conn, &digest);
            let _ = daylist::list(
                conn,
                &daylist::Filter {
                    limit: 50,
                    ..Default::default()
                },
            );
            let _ = daylist::counts(conn);
            Ok(())
        })?;
        // The first rounds warm both sides.
        if round >= 20 && !body.is_empty() {
            over_http.push(http);
            plain.push(start.elapsed().as_secs_f64() * 1000.0);
        }
    }
    let median = |list: &mut Vec<f64>| {
        list.sort_by(f64::total_cmp);
        list[list.len() / 2]
    };
    let (http, sql) = (median(&mut over_http), median(&mut plain));
    println!(
        "GET /api/day-list: median {http:.2} ms; the same SQL with the session query: {sql:.2} ms; ratio {:.2}",
        http / sql
    );
    std::process::exit(0);
}
