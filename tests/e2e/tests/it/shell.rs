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
    let house = House::open("offline", 1280, 800).await;
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
