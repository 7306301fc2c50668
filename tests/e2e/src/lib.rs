//! The real application in a real browser: one database, one server, one ChromeDriver, all ended by id.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

mod browser;
mod door;

pub use door::{Door, OwnCluster, Served, free_port};
pub use fantoccini::wd::PrintOrientation;

use browser::{Chromium, children, connect};
use door::{load_demo, loaded_demo, psql, psql_on, ritorno};
use fantoccini::wd::{PrintConfiguration, PrintMargins, PrintSize};
use fantoccini::{Client, Locator};
use serde_json::{Value, json};
use std::io::{BufRead, BufReader};
use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
use std::sync::{Mutex, OnceLock, PoisonError};
use std::time::Duration;

/// The fixed day of all browser tests and pictures.
pub const TODAY: &str = "2027-03-01";

/// The whole style sheet of the library of controls.
fn library_styles() -> String {
    std::fs::read_to_string(concat!(
        env!("CARGO_MANIFEST_DIR"),
        "/../../web/node_modules/antd/dist/antd.css"
    ))
    .expect("the library's styles")
}

/// A running application with a browser window.
pub struct House {
    /// The browser.
    pub browser: Client,
    /// Where the application answers.
    pub address: String,
    server: Child,
    driver: Child,
    profile: PathBuf,
    database: String,
    door: Door,
}

impl House {
    /// Opens a house with the demo clinic in it and an empty browser window of the given size.
    pub async fn open(name: &str, width: u32, height: u32) -> House {
        House::open_on(&Door::shared(), name, width, height).await
    }

    /// The same with the worker that keeps the scripts of a build. It fetches them all at its first start, which costs every
    /// test a second or two, so it comes only where it is looked at.
    pub async fn open_with_worker(name: &str, width: u32, height: u32) -> House {
        House::open_bare(&Door::shared(), name, (width, height), TODAY).await
    }

    /// The same on a later day than the one the demo was loaded on: nothing was entered since.
    pub async fn open_later(name: &str, width: u32, height: u32, today: &str) -> House {
        House::open_at(&Door::shared(), name, (width, height), today).await
    }

    /// The same on a given cluster.
    pub async fn open_on(door: &Door, name: &str, width: u32, height: u32) -> House {
        House::open_at(door, name, (width, height), TODAY).await
    }

    async fn open_at(door: &Door, name: &str, size: (u32, u32), today: &str) -> House {
        let house = House::open_bare(door, name, size, today).await;
        house
            .before_each_page("navigator.serviceWorker.register = () => new Promise(() => {})")
            .await;
        house
    }

    async fn open_bare(door: &Door, name: &str, (width, height): (u32, u32), today: &str) -> House {
        let database = format!("e2e_{name}_{}", std::process::id());
        psql(
            door,
            &format!("drop database if exists {database} with (force)"),
        );
        if door.shared {
            // A template cannot be copied twice at the same moment.
            static COPY: Mutex<()> = Mutex::new(());
            let _one = COPY.lock().unwrap_or_else(PoisonError::into_inner);
            let demo = loaded_demo();
            psql(door, &format!("create database {database} template {demo}"));
        } else {
            load_demo(door, &database);
        }
        let mut server = ritorno(door, &database, "serve")
            .env("RITORNO_TODAY", today)
            .stdout(Stdio::piped())
            .stderr(Stdio::null())
            .spawn()
            .expect("the server starts");
        let mut address = String::new();
        BufReader::new(server.stdout.take().expect("piped"))
            .read_line(&mut address)
            .expect("an address");
        let address = address.trim().to_owned();
        let port = free_port();
        let driver = Command::new("chromedriver")
            .arg(format!("--port={port}"))
            .stdout(Stdio::null())
            .stderr(Stdio::null())
            .spawn()
            .expect("chromedriver is installed");
        let profile = std::env::temp_dir().join(format!("ritorno-{database}"));
        let browser = connect(port, &profile, width, height).await;
        House {
            browser,
            address,
            server,
            driver,
            profile,
            database,
            door: door.clone(),
        }
    }

    /// Goes to a path of the application.
    pub async fn goto(&self, path: &str) {
        self.browser
            .goto(&format!("{}{path}", self.address))
            .await
            .expect("the page opens");
    }

    /// Waits for an element.
    pub async fn see(&self, css: &str) -> fantoccini::elements::Element {
        loop {
            let found = self
                .browser
                .wait()
                .at_most(Duration::from_secs(40))
                .for_element(Locator::Css(css))
                .await;
            match found {
                Ok(element) => return element,
                // The page was loaded anew while it was looked at.
                Err(error) if error.to_string().contains("aborted by navigation") => {}
                Err(error) => panic!("{css}: {error}\n{}", self.text().await),
            }
        }
    }

    /// Waits until the page says something.
    pub async fn says(&self, text: &str) {
        let said = format!(
            "document.body.textContent.replace(/\\s+/g, ' ').includes({})",
            json!(text.split_whitespace().collect::<Vec<_>>().join(" "))
        );
        self.until(&said).await;
    }

    /// Waits until a condition written in JavaScript holds. What it looks at may not be there yet.
    pub async fn until(&self, condition: &str) {
        let once_there = format!(
            "try {{ return !!({condition}) }} catch (e) {{ if (e instanceof TypeError) return false; throw e }}"
        );
        for _ in 0..800 {
            let held = self.browser.execute(&once_there, vec![]).await;
            match held {
                Ok(Value::Bool(true)) => return,
                Err(error) if !error.to_string().contains("aborted by navigation") => {
                    panic!("script runs: {error}")
                }
                _ => {}
            }
            tokio::time::sleep(Duration::from_millis(50)).await;
        }
        panic!("never true: {condition}\n{}", self.text().await);
    }

    /// Waits until the browser has kept what was typed: it takes a moment after the last stroke.
    pub async fn kept(&self, words: &str) {
        let look = "const q = indexedDB.open('ritorno'); q.onsuccess = () => { \
            const all = q.result.transaction('drafts').objectStore('drafts').getAll(); \
            all.onsuccess = () => { q.result.close(); \
            if (JSON.stringify(all.result).includes(WORDS)) window.keptWords = WORDS; else setTimeout(look, 30) } }";
        let words = Value::from(words).to_string();
        let look = look.replace("WORDS", &words);
        self.value(&format!(
            "(() => {{ const look = () => {{ {look} }}; look() }})()"
        ))
        .await;
        self.until(&format!("window.keptWords === {words}")).await;
    }

    /// Holds back what the page sends from here on, until it is let go.
    pub async fn hold_back(&self) {
        self.value("(() => { const real = window.fetch; const held = new Promise(go => { window.letGo = go }); window.fetch = async (...a) => { if (a[1]?.method === 'POST') await held; return real(...a) } })()")
            .await;
    }

    /// Lets what was held back go on its way.
    pub async fn let_go(&self) {
        self.value("window.letGo()").await;
    }

    /// Clicks an element once it is there.
    pub async fn click(&self, css: &str) {
        let element = self.see(css).await;
        let script = "document.querySelector(arguments[0])?.scrollIntoView({block:'center'})";
        self.browser
            .execute(script, vec![json!(css)])
            .await
            .expect("script runs");
        element
            .click()
            .await
            .unwrap_or_else(|error| panic!("click {css}: {error}"));
    }

    /// Chooses an option of a list by its value: opens the list, presses the option.
    pub async fn choose(&self, css: &str, value: &str) {
        self.click(css).await;
        let option =
            format!(".ant-select-dropdown:not(.ant-select-dropdown-hidden) [data-value='{value}']");
        self.click(&option).await;
        self.until(
            "!document.querySelector('.ant-select-dropdown:not(.ant-select-dropdown-hidden)')",
        )
        .await;
    }

    /// Chooses an option of a native select by its value.
    pub async fn choose_native(&self, css: &str, value: &str) {
        self.see(css)
            .await
            .select_by_value(value)
            .await
            .unwrap_or_else(|error| panic!("{css} has no {value}: {error}"));
    }

    /// Presses the part of a row of choices that says so.
    pub async fn segment(&self, css: &str, says: &str) {
        self.see(css).await;
        let script = "const [css,says]=arguments;const of=[...document.querySelectorAll(css+' .ant-segmented-item')].find(e=>e.innerText.trim()===says);of?.click();return !!of";
        let pressed = self
            .browser
            .execute(script, vec![json!(css), json!(says)])
            .await
            .expect("script runs");
        assert_eq!(pressed, Value::Bool(true), "{css} has no {says}");
    }

    /// Empties a field and types into it.
    pub async fn fill(&self, css: &str, text: &str) {
        let field = self.see(css).await;
        // All of it is selected and typed over, as a person does: a bare clear goes unseen by the page.
        let select =
            "const e=document.querySelector(arguments[0]);e.focus();e.select?.();return true";
        self.browser
            .execute(select, vec![json!(css)])
            .await
            .expect("selected");
        field
            .send_keys(&format!("\u{e003}{text}"))
            .await
            .expect("typed");
    }

    /// Types a date into its field, as day, month, year, and leaves the field.
    pub async fn day(&self, css: &str, typed: &str) {
        self.fill(css, &format!("{typed}\u{e007}")).await;
        self.until(&format!(
            "!document.querySelector('.ant-picker-dropdown:not(.ant-picker-dropdown-hidden)') && document.querySelector('{css}').value !== ''"
        ))
        .await;
    }

    /// The page as it prints on A4, a PDF.
    pub async fn pdf(&self, orientation: PrintOrientation) -> Vec<u8> {
        let paper = PrintConfiguration::builder()
            .orientation(orientation)
            .size(PrintSize::A4)
            .margins(PrintMargins {
                top: 1.0,
                bottom: 1.0,
                left: 1.0,
                right: 1.0,
            })
            .build()
            .expect("A4");
        self.browser.print(paper).await.expect("the page prints")
    }

    /// Prints the page and answers with what is on each sheet.
    pub async fn print(&self, orientation: PrintOrientation) -> Vec<String> {
        let file = self.profile.with_extension("pdf");
        std::fs::write(&file, self.pdf(orientation).await).expect("written");
        let out = Command::new("pdftotext")
            .arg("-layout")
            .arg(&file)
            .arg("-")
            .output()
            .expect("poppler-utils is installed");
        let _ = std::fs::remove_file(&file);
        // Each sheet ends in a form feed.
        let text = String::from_utf8_lossy(&out.stdout).into_owned();
        text.split_terminator('\u{c}').map(str::to_owned).collect()
    }

    /// Presses keys on the page itself.
    pub async fn keys(&self, keys: &str) {
        self.browser
            .find(Locator::Css("body"))
            .await
            .expect("a body")
            .send_keys(keys)
            .await
            .expect("keys");
    }

    /// Types to whatever has the focus.
    pub async fn typed(&self, text: &str) {
        let focus = self.browser.active_element().await.expect("a focus");
        focus.send_keys(text).await.expect("typed");
    }

    /// All the page says.
    pub async fn text(&self) -> String {
        match self
            .browser
            .execute("return document.body.innerText", vec![])
            .await
        {
            Ok(Value::String(text)) => text,
            other => format!("{other:?}"),
        }
    }

    /// Asks Chromium itself for something, by the name its developer protocol has for it.
    pub async fn chromium(&self, cmd: &str, params: Value) {
        let told = Chromium(json!({ "cmd": cmd, "params": params }));
        self.browser
            .issue_cmd(told)
            .await
            .unwrap_or_else(|error| panic!("{cmd}: {error}"));
    }

    /// Runs a script in every page from now on, before the page's own.
    pub async fn before_each_page(&self, script: &str) {
        let params = json!({ "source": script });
        self.chromium("Page.addScriptToEvaluateOnNewDocument", params)
            .await;
    }

    /// What a script answers.
    pub async fn value(&self, script: &str) -> Value {
        self.browser
            .execute(&format!("return ({script})"), vec![])
            .await
            .expect("script runs")
    }

    /// What the server answers to a GET, asked from inside the page.
    pub async fn get(&self, path: &str) -> Value {
        let script = "const [p,done]=arguments;fetch(p).then(r=>r.json()).then(done)";
        self.browser
            .execute_async(script, vec![json!(path)])
            .await
            .expect("answered")
    }

    /// Sends a write from inside the page; answers with its status.
    pub async fn post(&self, path: &str, body: &Value) -> Value {
        let script = "const [p,b,done]=arguments;fetch(p,{method:'POST',headers:{'content-type':'application/json'},body:JSON.stringify(b)}).then(r=>done(r.status))";
        self.browser
            .execute_async(script, vec![json!(path), body.clone()])
            .await
            .expect("answered")
    }

    /// Changes the database behind the application's back.
    pub fn sql(&self, sql: &str) {
        psql_on(&self.door, &self.database, sql);
    }

    /// Signs in as the demo clinician.
    pub async fn sign_in(&self) {
        self.sign_in_as("demo").await;
    }

    /// Signs in under a name; the password is the demo's.
    pub async fn sign_in_as(&self, login: &str) {
        self.goto("/").await;
        self.fill("#login", login).await;
        self.fill("#password", "molo-nove").await;
        self.click("#sign-in").await;
        self.see("#new-patient").await;
    }

    /// The episode of a demo patient, found through the search field.
    pub async fn open_patient(&self, name: &str) -> String {
        self.goto("/").await;
        self.fill("#search", name).await;
        self.until("document.querySelectorAll('.lane-row').length === 1")
            .await;
        self.click(".lane-row").await;
        self.see(".path").await;
        let url = self.browser.current_url().await.expect("an address");
        url.path().split('/').nth(2).expect("an episode").to_owned()
    }

    /// The rules of the library's controls that are not shipped: found out once.
    async fn left_out(&self) -> Value {
        static RULES: OnceLock<Value> = OnceLock::new();
        if let Some(rules) = RULES.get() {
            return rules.clone();
        }
        let rules = self
            .browser
            .execute(include_str!("left_out.js"), vec![json!(library_styles())])
            .await
            .expect("styles are compared");
        assert!(rules.as_array().is_some_and(|list| list.len() > 100));
        RULES.get_or_init(|| rules).clone()
    }

    /// Serious findings of axe-core on the present page, and styles of the clinic's controls that it lacks.
    pub async fn accessibility_faults(&self) -> Vec<String> {
        let mut faults = self.hard_to_reach().await;
        // A control whose styles were left out of what is shipped is as hard to use.
        let reached = self
            .browser
            .execute(include_str!("reached.js"), vec![self.left_out().await])
            .await
            .expect("styles are compared");
        let reached = reached.as_array().into_iter().flatten();
        faults.extend(reached.map(|rule| format!("not shipped: {rule}")));
        faults
    }

    /// Serious findings of axe-core on the present page, whichever it is.
    pub async fn hard_to_reach(&self) -> Vec<String> {
        let axe = std::fs::read_to_string(concat!(
            env!("CARGO_MANIFEST_DIR"),
            "/../../web/node_modules/axe-core/axe.min.js"
        ))
        .expect("axe-core");
        self.browser.execute(&axe, vec![]).await.expect("axe loads");
        let script = "const done=arguments[arguments.length-1];axe.run(document,{resultTypes:['violations']}).then(r=>done(r.violations.filter(v=>['serious','critical'].includes(v.impact)).map(v=>v.id+': '+v.nodes.slice(0,3).map(n=>n.target.join(' ')+' '+n.failureSummary).join(' | '))))";
        let found = self
            .browser
            .execute_async(script, vec![])
            .await
            .expect("axe runs");
        let mut faults: Vec<String> = found
            .as_array()
            .map(|list| list.iter().map(ToString::to_string).collect())
            .unwrap_or_default();
        if self.text().await.contains("{$") {
            faults.push("a sentence lacks one of its words".to_owned());
        }
        faults
    }

    /// A picture of the window.
    pub async fn picture(&self, file: &std::path::Path) {
        let png = self.browser.screenshot().await.expect("a picture");
        std::fs::write(file, png).expect("written");
    }

    /// Brings an element to the top of the page, below what sticks there.
    pub async fn scroll(&self, css: &str) {
        self.see(css).await;
        let script = "document.querySelector(arguments[0]).scrollIntoView({block:'start'}); window.scrollBy(0,-125)";
        self.browser
            .execute(script, vec![json!(css)])
            .await
            .expect("scrolled");
    }

    /// Sets the size of what is seen, exactly.
    pub async fn resize(&self, width: u32, height: u32) {
        let inner = self
            .browser
            .execute("return [window.outerWidth-window.innerWidth, window.outerHeight-window.innerHeight]", vec![])
            .await
            .expect("sizes");
        let extra = |i: usize| inner.get(i).and_then(Value::as_u64).unwrap_or(0) as u32;
        self.browser
            .set_window_size(width + extra(0), height + extra(1))
            .await
            .expect("resized");
    }

    /// Ends the browser, the driver, the server and the database, by their ids.
    pub async fn close(mut self) {
        let _ = self.browser.clone().close().await;
        self.end();
        psql(
            &self.door,
            &format!("drop database if exists {} with (force)", self.database),
        );
    }

    /// Ends what was started, by id; a second time there is nothing left to end.
    fn end(&mut self) {
        // Ended already: its id may belong to somebody else by now.
        if !matches!(self.driver.try_wait(), Ok(None)) {
            return;
        }
        // A driver that is ended does not end its browser, so the browser's id is read before.
        let browsers = children(self.driver.id());
        for child in [&mut self.driver, &mut self.server] {
            let _ = child.kill();
            let _ = child.wait();
        }
        for browser in browsers {
            let _ = Command::new("kill")
                .arg(browser)
                .stderr(Stdio::null())
                .status();
        }
        let _ = std::fs::remove_dir_all(&self.profile);
    }
}

impl Drop for House {
    fn drop(&mut self) {
        self.end();
    }
}
