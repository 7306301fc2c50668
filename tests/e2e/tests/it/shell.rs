//! The page around the stations: its keys, without a network, and when a newer one has come.

use ritorno_e2e::House;
use serde_json::json;

#[tokio::test(flavor = "multi_thread")]
async fn g_shows_where_it_leads_and_keys_can_be_turned_off() {
    let house = House::open("shown", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.see("main h1").await;
    house.keys("g").await;
    house.see("#armed").await;
    house.says("Examine").await;
    house.until("!document.querySelector('#armed')").await;
    // Every screen tells its keys.
    for (station, says) in [
        ("visit", "This screen has no keys of its own"),
        ("examine", "as on the other side"),
        ("ranges", "why it stopped"),
        ("strength", "the force, then Enter"),
        ("program", "takes the chosen line out"),
    ] {
        house.goto(&format!("/e/{episode}/{station}")).await;
        house.see("main h1").await;
        house.keys("?").await;
        house.see("#keys-switch").await;
        house.says(says).await;
    }
    // Nothing fires while typing.
    house.goto(&format!("/e/{episode}/visit")).await;
    house
        .see("#note")
        .await
        .send_keys("gs?")
        .await
        .expect("typed");
    house
        .until("document.querySelector('#note').value === 'gs?'")
        .await;
    assert_eq!(
        house
            .value(
                "location.pathname.endsWith('/visit') && !document.querySelector('#keys-switch')"
            )
            .await,
        json!(true)
    );
    // Switched off they stay off, and the list is reached by its button.
    house.click("#help").await;
    house.click("#keys-switch").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("main h1").await;
    house.keys("gs").await;
    house.keys("?").await;
    house.value("window.__asked = performance.now()").await;
    house
        .until("performance.now() - window.__asked > 300")
        .await;
    assert_eq!(
        house.value("location.pathname.endsWith('/visit') && !document.querySelector('#armed, #keys-switch')").await,
        json!(true)
    );
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_page_opens_without_a_network_and_a_newer_one_is_offered() {
    let house = House::open_with_worker("offline", 1280, 800).await;
    house.sign_in().await;
    let ready = "const done=arguments[0];navigator.serviceWorker.ready.then(r=>done(!!r.active))";
    let worker = house.browser.execute_async(ready, vec![]).await;
    assert_eq!(worker.expect("answered"), json!(true));
    house.goto("/").await;
    house
        .until("navigator.serviceWorker.controller !== null")
        .await;
    let offline = |on: bool| json!({ "offline": on, "latency": 0, "downloadThroughput": -1, "uploadThroughput": -1 });
    house.chromium("Network.enable", json!({})).await;
    house
        .chromium("Network.emulateNetworkConditions", offline(true))
        .await;
    house.goto("/library").await;
    house.see("#away").await;
    house
        .says("nothing about them is stored on this machine")
        .await;
    house
        .chromium("Network.emulateNetworkConditions", offline(false))
        .await;
    house.until("!document.querySelector('#away')").await;
    house.see("#find").await;
    // What is on record is never kept by it.
    let stored = "const done=arguments[0];caches.keys().then(k=>Promise.all(k.map(n=>caches.open(n).then(c=>c.keys())))).then(all=>done(all.flat().filter(r=>r.url.includes('/api/')).length))";
    let stored = house.browser.execute_async(stored, vec![]).await;
    assert_eq!(stored.expect("answered"), json!(0));
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn styles_are_let_in_by_a_nonce_and_nothing_else_is_asked_for() {
    let house = House::open("nonce", 1280, 900).await;
    house
        .before_each_page("window.__refused = []; addEventListener('securitypolicyviolation', e => window.__refused.push(e.violatedDirective + ' ' + e.blockedURI + ' ' + e.sourceFile + ' ' + e.sample))")
        .await;
    house.sign_in().await;
    let policy = "const done=arguments[0];fetch('/').then(r=>done(r.headers.get('content-security-policy')))";
    let first = house.browser.execute_async(policy, vec![]).await;
    let second = house.browser.execute_async(policy, vec![]).await;
    let (first, second) = (first.expect("answered"), second.expect("answered"));
    let text = first.as_str().expect("a policy");
    assert!(text.contains("'nonce-") && !text.contains("unsafe-inline"));
    let fresh = "const done=arguments[0];fetch('/elsewhere?'+Math.random(),{cache:'no-store'}).then(r=>done(r.headers.get('content-security-policy')))";
    let other = house.browser.execute_async(fresh, vec![]).await;
    assert_ne!(other.expect("answered"), second, "a nonce is used once");
    let episode = house.open_patient("Falanga").await;
    let mut refused = Vec::new();
    let look = async |refused: &mut Vec<String>, at: &str| {
        let found = house.value("window.__refused").await;
        for one in found.as_array().into_iter().flatten() {
            refused.push(format!("{at}: {one}"));
        }
    };
    for (station, landmark) in [
        ("visit", "#week"),
        ("story", "#save-story"),
        ("examine", "#card"),
        ("read", "#state"),
        ("program", ".chart-line"),
        ("home", "#pdf"),
        ("timeline", ".timeline"),
    ] {
        house.goto(&format!("/e/{episode}/{station}")).await;
        house.see(landmark).await;
        if station == "visit" {
            house.click("[data-felt^=pain_during]").await;
            house.see(".felt-keys").await;
        }
        if station == "story" {
            house.click("#story_pathway").await;
            house.see(".ant-select-dropdown [data-value]").await;
            house.click("#story_day0").await;
            house.see(".ant-picker-dropdown").await;
        }
        look(&mut refused, station).await;
    }
    for (path, landmark) in [
        ("/library/external-rotation-standing-elastic", ".stage svg"),
        ("/clinic/kit", "#kit-table"),
        ("/clinic/defaults", "#default-setting"),
        ("/no/such/page", "#no-page"),
    ] {
        house.goto(path).await;
        house.see(landmark).await;
        look(&mut refused, path).await;
    }
    // What is set is told over the page, and goes into who comes next.
    house.goto("/clinic/kit").await;
    house.click("#lent-pulley").await;
    house.click("#kit-room .keep-defaults").await;
    house.see(".ant-message-success").await;
    look(&mut refused, "message").await;
    let defaults = house.get("/api/defaults").await;
    assert_eq!(defaults["defaults"]["lent"], json!(["pulley"]));
    house.goto("/").await;
    house.click("#new-patient").await;
    house.see("#new_given_name").await;
    look(&mut refused, "dialog").await;
    let lock = "getComputedStyle(document.body).overflowY";
    assert_eq!(house.value(lock).await, json!("hidden"));
    assert!(refused.is_empty(), "{refused:#?}");
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_newer_version_is_offered_and_never_forced_into_a_sentence() {
    let house = House::open_with_worker("newer", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let visit = format!("/e/{episode}/visit");
    // The worker of the first look takes charge of the next one.
    house
        .value("navigator.serviceWorker.ready.then(() => true)")
        .await;
    house.goto(&visit).await;
    house
        .until("navigator.serviceWorker.controller !== null")
        .await;
    house.fill("#note", "half a sentence that").await;
    // A worker with another address is what an update is to the browser.
    house
        .value("void navigator.serviceWorker.register('/worker.js?newer')")
        .await;
    house.see("#new-version").await;
    assert_eq!(
        house.value("document.querySelector('#note').value").await,
        json!("half a sentence that"),
        "nothing was taken from under the hands"
    );
    house.value("window.__before = true").await;
    house.click("#new-version button").await;
    house.until("!window.__before").await;
    house
        .until("document.querySelector('#note')?.value === 'half a sentence that'")
        .await;
    house.close().await;
}
