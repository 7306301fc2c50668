//! One database and one server for each test, all in this process; run through ./test.

use chrono::NaiveDate;
use ritorno_core::permission::Role;
use ritorno_core::safety::running_lines;
use ritorno_server::{
    AppState, Paper, Settings, SheetForm, SheetInput, Today, api_document, hash_password, new_user,
    read_knowledge, server,
};
use ritorno_store::{Actor, PgConnection, StoreError, knowledge, migrate, open_pool, user, write};
use serde_json::{Value, json};
use std::net::TcpListener;
use std::path::{Path, PathBuf};
use std::sync::atomic::{AtomicUsize, Ordering};
use std::sync::{Arc, OnceLock};
use uuid::Uuid;

/// The clinic's day in these tests.
pub const TODAY: &str = "2027-03-01";

const PEOPLE: [(&str, Role); 5] = [
    ("vera", Role::Clinician),
    ("lea", Role::Lead),
    ("aldo", Role::Assistant),
    ("ada", Role::Auditor),
    ("leo", Role::Learner),
];

/// Where everything lies.
fn root() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..")
}

/// The document of the interface, with what ships.
pub fn document() -> Value {
    api_document(&read_knowledge(&root().join("knowledge")).expect("knowledge"))
}

pub struct Clinic {
    pub address: String,
    pub state: AppState,
    database: String,
    handle: actix_web::dev::ServerHandle,
    agent: ureq::Agent,
}

/// An answer: status, headers, body.
pub struct Answer {
    pub status: u16,
    pub kind: String,
    pub cookie: Option<String>,
    pub set_cookie: String,
    pub bytes: Vec<u8>,
}

impl Answer {
    pub fn json(&self) -> Value {
        serde_json::from_slice(&self.bytes)
            .unwrap_or_else(|error| panic!("{error}: {}", String::from_utf8_lossy(&self.bytes)))
    }
    /// The answer's JSON, which must be a success.
    pub fn ok(self) -> Value {
        assert_eq!(self.status, 200, "{}", String::from_utf8_lossy(&self.bytes));
        self.json()
    }
}

fn setting(name: &str) -> String {
    std::env::var(name).unwrap_or_else(|_| panic!("{name} is not set: run this through ./test"))
}

fn url(owner: bool, database: &str) -> String {
    let (user, password) = if owner {
        ("ritorno_owner", "RITORNO_TEST_OWNER_PASSWORD")
    } else {
        ("ritorno_app", "RITORNO_TEST_APP_PASSWORD")
    };
    format!(
        "postgres://{user}:{}@127.0.0.1:{}/{database}",
        setting(password),
        setting("RITORNO_TEST_PG_PORT")
    )
}

pub fn owner(database: &str) -> PgConnection {
    use diesel::Connection;
    PgConnection::establish(&url(true, database)).expect("the owner connects")
}

fn run(conn: &mut PgConnection, sql: &str) {
    use diesel::RunQueryDsl;
    diesel::sql_query(sql)
        .execute(conn)
        .unwrap_or_else(|error| panic!("{sql}: {error}"));
}

/// Every test gets a copy of one migrated database.
fn template() -> &'static str {
    static NAME: OnceLock<String> = OnceLock::new();
    NAME.get_or_init(|| {
        let name = format!("it_template_{}", std::process::id());
        run(&mut owner("postgres"), &format!("create database {name}"));
        migrate(&url(true, &name)).expect("migrates");
        name
    })
}

fn password_hash() -> &'static str {
    static HASH: OnceLock<String> = OnceLock::new();
    HASH.get_or_init(|| hash_password("harbour").expect("hashes"))
}

impl Clinic {
    /// A demo, where simulated devices exist.
    pub fn demo() -> Clinic {
        Clinic::opened(AppState::for_demo)
    }

    pub fn open() -> Clinic {
        Clinic::opened(|state| state)
    }

    /// A clinic whose state is changed before it serves.
    pub fn opened(kind: impl FnOnce(AppState) -> AppState) -> Clinic {
        Clinic::with_people(&PEOPLE, kind)
    }

    /// A clinic with nobody in it.
    pub fn empty() -> Clinic {
        Clinic::with_people(&[], |state| state)
    }

    fn with_people(people: &[(&str, Role)], kind: impl FnOnce(AppState) -> AppState) -> Clinic {
        static COPY: std::sync::Mutex<()> = std::sync::Mutex::new(());
        let database = format!("it_{}", Uuid::now_v7().simple());
        {
            // A template cannot be copied twice at the same moment.
            let _one = COPY
                .lock()
                .unwrap_or_else(std::sync::PoisonError::into_inner);
            let template = template();
            run(
                &mut owner("postgres"),
                &format!("create database {database} template {template}"),
            );
        }
        let root = root();
        let known = read_knowledge(&root.join("knowledge")).expect("knowledge");
        let today: NaiveDate = TODAY.parse().expect("a date");
        let state = AppState::new(
            open_pool(&url(false, &database)),
            known,
            Today::Fixed(today),
            root.join("web/dist"),
        );
        // Requests of these tests may say where they come from.
        let state = kind(state.reached(Settings {
            public_address: None,
            trusted_proxies: vec!["127.0.0.1".parse().expect("an address")],
        }));
        let mut conn = state.pool.get().expect("a connection");
        write(
            &mut conn,
            Actor {
                user: None,
                action: "test",
            },
            |conn| {
                for (login, role) in people {
                    user::insert(conn, &new_user(login, login, *role), password_hash())?;
                }
                knowledge::keep(conn, &state.knowledge.sha256, &state.knowledge.canonical)?;
                Ok::<_, StoreError>(())
            },
        )
        .expect("users");
        Clinic::serving(state, database)
    }

    /// A second server on the same database, with a pool and a state of its own.
    pub fn twin(&self) -> Clinic {
        self.with_today(self.state.today)
    }

    /// The same clinic on another day.
    pub fn on(&self, day: &str) -> Clinic {
        self.with_today(Today::Fixed(day.parse().expect("a date")))
    }

    /// A second server that reaches the same database through another port of this machine.
    pub fn through(&self, port: u16) -> Clinic {
        let database = setting("RITORNO_TEST_PG_PORT");
        let other =
            url(false, &self.database).replace(&format!(":{database}/"), &format!(":{port}/"));
        self.with(self.state.today, &other)
    }

    fn with_today(&self, today: Today) -> Clinic {
        self.with(today, &url(false, &self.database))
    }

    fn with(&self, today: Today, database: &str) -> Clinic {
        let root = Path::new(env!("CARGO_MANIFEST_DIR")).join("../..");
        let state = AppState::new(
            open_pool(database),
            (*self.state.knowledge).clone(),
            today,
            root.join("web/dist"),
        );
        Clinic::serving(state, self.database.clone())
    }

    fn serving(state: AppState, database: String) -> Clinic {
        let listener = TcpListener::bind("127.0.0.1:0").expect("a port");
        let address = format!("http://{}", listener.local_addr().expect("an address"));
        let (tell, told) = std::sync::mpsc::channel();
        let serving = state.clone();
        std::thread::spawn(move || {
            actix_web::rt::System::new().block_on(async move {
                let running = server(serving, listener, 1).expect("serves");
                tell.send(running.handle()).expect("told");
                running.await.expect("ran");
            });
        });
        let agent = ureq::Agent::config_builder()
            .http_status_as_error(false)
            .build()
            .into();
        Clinic {
            address,
            state,
            database,
            handle: told.recv().expect("a server"),
            agent,
        }
    }

    pub fn owner(&self) -> PgConnection {
        owner(&self.database)
    }

    /// Sends a request as it stands.
    pub fn send(
        &self,
        method: &str,
        path: &str,
        cookie: &str,
        origin: Option<&str>,
        kind: &str,
        body: Vec<u8>,
    ) -> Answer {
        let mut request = ureq::http::Request::builder()
            .method(method)
            .uri(format!("{}{path}", self.address))
            .header("content-type", kind);
        if !cookie.is_empty() {
            request = request.header("cookie", format!("ritorno_session={cookie}"));
        }
        if let Some(origin) = origin {
            request = request.header("origin", origin);
        }
        let request = request.body(body).expect("a request");
        let mut answer = self.agent.run(request).expect("an answer");
        let header = |name: &str| {
            answer
                .headers()
                .get(name)
                .and_then(|v| v.to_str().ok())
                .unwrap_or_default()
                .to_owned()
        };
        let cookie = header("set-cookie")
            .strip_prefix("ritorno_session=")
            .and_then(|rest| rest.split(';').next().map(str::to_owned));
        Answer {
            status: answer.status().as_u16(),
            kind: header("content-type"),
            set_cookie: header("set-cookie"),
            cookie,
            bytes: answer.body_mut().read_to_vec().expect("a body"),
        }
    }

    /// A write with one header more.
    fn post_with(&self, path: &str, header: (&str, &str), cookie: &str, body: &Value) -> Answer {
        let request = ureq::http::Request::builder()
            .method("POST")
            .uri(format!("{}{path}", self.address))
            .header("content-type", "application/json")
            .header("origin", &self.address)
            .header("cookie", format!("ritorno_session={cookie}"))
            .header(header.0, header.1)
            .body(body.to_string().into_bytes())
            .expect("a request");
        let mut answer = self.agent.run(request).expect("an answer");
        Answer {
            status: answer.status().as_u16(),
            kind: String::new(),
            cookie: None,
            set_cookie: String::new(),
            bytes: answer.body_mut().read_to_vec().expect("a body"),
        }
    }

    /// A write that names who made it.
    pub fn send_as(&self, cookie: &str, path: &str, made_by: &str, body: &Value) -> Answer {
        self.post_with(path, ("x-ritorno-made-by", made_by), cookie, body)
    }

    /// A write of somebody who is not signed in, from an address.
    pub fn from(&self, address: &str, path: &str, body: &Value) -> Answer {
        self.post_with(path, ("x-forwarded-for", address), "", body)
    }

    /// Tries to sign in.
    pub fn try_in(&self, login: &str, password: &str, code: Option<&str>) -> Answer {
        let body = json!({ "login": login, "password": password, "code": code });
        self.send(
            "POST",
            "/api/session",
            "",
            Some(&self.address),
            "application/json",
            body.to_string().into_bytes(),
        )
    }

    pub fn sign_in(&self, login: &str) -> Session<'_> {
        self.sign_in_with(login, "harbour")
    }

    pub fn sign_in_with(&self, login: &str, password: &str) -> Session<'_> {
        let answer = self.try_in(login, password, None);
        assert_eq!(answer.status, 200);
        Session {
            clinic: self,
            cookie: answer.cookie.expect("a cookie"),
        }
    }
}

impl Drop for Clinic {
    fn drop(&mut self) {
        drop(self.handle.stop(false));
    }
}

pub struct Session<'a> {
    pub clinic: &'a Clinic,
    pub cookie: String,
}

impl Session<'_> {
    pub fn get(&self, path: &str) -> Answer {
        self.clinic.send(
            "GET",
            path,
            &self.cookie,
            None,
            "application/json",
            Vec::new(),
        )
    }
    pub fn post(&self, path: &str, body: &Value) -> Answer {
        self.clinic.send(
            "POST",
            path,
            &self.cookie,
            Some(&self.clinic.address),
            "application/json",
            body.to_string().into_bytes(),
        )
    }
    pub fn put(&self, path: &str, body: &Value) -> Answer {
        self.clinic.send(
            "PUT",
            path,
            &self.cookie,
            Some(&self.clinic.address),
            "application/json",
            body.to_string().into_bytes(),
        )
    }

    /// A stage rigger 38 days after surgery, cleared, nothing asked yet. Answers with the episode.
    pub fn rigger(&self) -> String {
        let form = new_patient();
        self.post("/api/patients", &form).ok();
        form["episode"].as_str().expect("an id").to_owned()
    }

    /// Answers every red-flag question with no.
    pub fn all_no(&self, episode: &str) {
        let flags = self.get(&format!("/api/episodes/{episode}/story")).ok()["flags"]
            .as_array()
            .expect("flags")
            .clone();
        let answers: Vec<Value> = flags
            .iter()
            .filter(|f| f["asked"] == true)
            .map(|f| json!({ "flag": f["flag"], "answer": "no" }))
            .collect();
        self.post(
            &format!("/api/episodes/{episode}/flags"),
            &json!({ "answers": answers }),
        )
        .ok();
    }

    /// One flag as the story's page shows it.
    pub fn flag(&self, episode: &str, flag: &str) -> Value {
        let page = self.get(&format!("/api/episodes/{episode}/story")).ok();
        let flags = page["flags"].as_array().expect("flags");
        let found = flags.iter().find(|f| f["flag"] == flag);
        found.cloned().unwrap_or(Value::Null)
    }

    /// Takes a step about everything that is open of a flag.
    pub fn step(&self, episode: &str, flag: &str, mut step: Value) -> Answer {
        let view = self.flag(episode, flag);
        let causes = view["causes"].as_array().expect("causes").iter();
        let open: Vec<&Value> = causes
            .filter(|c| c["kind"] != "text" && c["state"] != "answered")
            .map(|c| &c["key"])
            .collect();
        step["id"] = json!(Uuid::now_v7());
        step["flag"] = json!(flag);
        step["on"] = json!(TODAY);
        step["causes"] = json!(open);
        self.post(&format!("/api/episodes/{episode}/flag-steps"), &step)
    }

    /// All of a patient's timeline, newest first.
    pub fn timeline(&self, patient: &Value) -> Vec<Value> {
        let id = patient.as_str().expect("an id");
        let mut out = Vec::new();
        let mut before = String::new();
        loop {
            let page = self
                .get(&format!("/api/patients/{id}/timeline{before}"))
                .ok();
            out.extend(page["entries"].as_array().expect("entries").iter().cloned());
            match page["before"].as_i64() {
                Some(seq) => before = format!("?before={seq}"),
                None => return out,
            }
        }
    }

    /// Acts on a flag, and answers it.
    pub fn answer_flag(&self, episode: &str, flag: &str) {
        let acted = json!({ "step": "acted", "action": null, "words": "two-view radiograph the same day", "told": "the surgeon on call" });
        self.step(episode, flag, acted).ok();
        let answered = json!({ "step": "answered", "result": "joint in place, repair sound", "by": "surgeon", "resumes": "everything" });
        self.step(episode, flag, answered).ok();
    }

    pub fn measurement(&self, episode: &str, quantity: &str, value: f64, on: &str) -> Answer {
        self.post(
            &format!("/api/episodes/{episode}/measurements"),
            &measurement(quantity, value, on),
        )
    }
}

pub fn measurement(quantity: &str, value: f64, on: &str) -> Value {
    json!({ "id": Uuid::now_v7(), "quantity": quantity, "side": "right", "value": value, "stop": "stiff", "by": "clinician", "on": on })
}

pub fn new_patient() -> Value {
    json!({
        "patient": Uuid::now_v7(), "episode": Uuid::now_v7(), "another": true, "given_name": "Nerio", "family_name": "Falanga", "birth": "1979-05-12",
        "story": {
            "pathway": "cuff-repair-small-medium", "side": "right", "other_side": "sound", "day0": "2027-01-22", "dominant": "right", "mechanism": "a swinging truss",
            "work": "stage rigger", "clearance": { "role": "surgeon", "on": "2027-01-22" }, "sling_worn": true, "health": [],
            "tasks": [{ "label": "pulling a rope", "score": 1 }],
            "kit": ["bed", "table", "cloth", "stick", "towel", "wall", "ball", "pulley", "elastic", "weight"], "note": ""
        }
    })
}

/// Writes down what it was asked to set, and how often.
#[derive(Default)]
pub struct PlainPaper {
    pub set: Arc<AtomicUsize>,
}

impl Paper for PlainPaper {
    fn set(&self, input: SheetInput, form: SheetForm) -> Result<Vec<u8>, String> {
        self.set.fetch_add(1, Ordering::Relaxed);
        let lines = running_lines(input.ctx, input.facts, input.ctx.today);
        let names: Vec<&str> = lines.iter().map(|l| l.exercise.as_str()).collect();
        let wanted = [
            (form.large, " large"),
            (form.letter, " letter"),
            (form.code.is_some(), " code"),
        ];
        let wanted: String = wanted
            .iter()
            .filter(|(on, _)| *on)
            .map(|(_, says)| *says)
            .collect();
        Ok(format!(
            "{} v{} {} {names:?}{wanted}",
            input.name, input.version, input.signed_on
        )
        .into_bytes())
    }

    fn told(&self, input: SheetInput) -> Value {
        let lines = running_lines(input.ctx, input.facts, input.ctx.today);
        let names: Vec<&str> = lines.iter().map(|l| l.exercise.as_str()).collect();
        json!({ "exercises": names })
    }
}
