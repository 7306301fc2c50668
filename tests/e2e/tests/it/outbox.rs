//! What happens to an entry when anything stands between the page and the server.

use ritorno_e2e::House;
use serde_json::{Value, json};

/// Puts something between the page and the server: a proxy that answers by itself, a server that never does, or one that
/// refuses. It stands there until the page is loaded anew.
async fn between(house: &House, what: &str) {
    let script = "const what = arguments[0]; window.__real ??= window.fetch; window.fetch = (to, o) => {
        if (o?.method !== 'POST') return window.__real(to, o);
        window.__sent = (window.__sent ?? 0) + 1;
        if (what === 'hangs') return new Promise((_, no) => o.signal.addEventListener('abort', () => no(new Error('aborted'))));
        if (what === 'cut') return Promise.reject(new TypeError('network'));
        if (what !== '422') return Promise.resolve(new Response('<html>proxy</html>', { status: Number(what) }));
        const problem = { type: 'urn:ritorno:problem:invalid', title: 'Too long', status: 422, fields: [{ field: 'body', code: 'long', message: 'at most 12' }], reasons: [] };
        const body = String(to).endsWith('/api/entries') ? JSON.parse(o.body).entries.map(() => ({ status: 422, problem })) : problem;
        return Promise.resolve(new Response(JSON.stringify(body), { status: Array.isArray(body) ? 200 : 422 }));
      }";
    house
        .browser
        .execute(script, vec![json!(what)])
        .await
        .expect("set");
}

async fn nothing_between(house: &House) {
    let script = "window.fetch = window.__real; window.dispatchEvent(new Event('online'))";
    house.browser.execute(script, vec![]).await.expect("set");
}

/// All values that the server holds of passive elevation on the operated side.
async fn kept(house: &House, episode: &str) -> Vec<f64> {
    let page = house.get(&format!("/api/episodes/{episode}/visit")).await;
    let corridors = page["view"]["corridors"].as_array().cloned();
    let all = corridors.unwrap_or_default().into_iter();
    let mut raised = all.filter(|c| c["quantity"] == "passive-elevation");
    let dots = raised.next().expect("a corridor")["measurements"].clone();
    let dots = dots.as_array().expect("a list").iter();
    dots.filter_map(|m| m["value"].as_f64()).collect()
}

/// What the passive elevation dial says of its newest value.
async fn dial(house: &House, value: &str) {
    house.until(&format!("document.querySelector('.dial[data-quantity=\"passive-elevation\"] svg')?.getAttribute('aria-label').endsWith('{value}')")).await;
}

async fn at_ranges(house: &House, episode: &str) {
    house.goto(&format!("/e/{episode}/ranges")).await;
    house
        .until("document.querySelector('.dial.on')?.dataset.quantity === 'passive-elevation'")
        .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn an_entry_waits_whatever_stands_between_and_is_sent_once() {
    let house = House::open("between", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let all = ["408", "429", "500", "502", "504", "cut", "hangs"];
    for (i, what) in all.iter().enumerate() {
        at_ranges(&house, &episode).await;
        between(&house, what).await;
        let value = 100 + i;
        house.keys(&format!("{value}s")).await;
        house.says("1 entry waits to be sent").await;
        // The page has moved on: the next one is typed while the first is still on its way.
        house
            .until("document.querySelector('.dial.on').dataset.quantity !== 'passive-elevation'")
            .await;
        house
            .until("document.querySelector('.save-mark').dataset.state === 'waits'")
            .await;
        house.click("#queue").await;
        house
            .see(".outbox li[data-kind=measurement][data-refused=false]")
            .await;
        house.says(&format!("{value}°")).await;
        house.says("Nerio Falanga").await;
        nothing_between(&house).await;
        house.until("!document.querySelector('#queue')").await;
        at_ranges(&house, &episode).await;
        dial(&house, &value.to_string()).await;
    }
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_refused_keeps_its_text_and_can_be_changed() {
    let house = House::open("refused", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.see("#note").await;
    // Refused at once: the page says why and still holds the text; the outbox need not.
    between(&house, "422").await;
    house.fill("#note", "slept on it").await;
    house.click("#sign-note").await;
    house.says("at most 12").await;
    house
        .until("document.querySelector('#note').value === 'slept on it' && !document.querySelector('#queue')")
        .await;
    // Away first, refused when it is sent again: the outbox holds it, with its text to be changed.
    between(&house, "503").await;
    house.click("#sign-note").await;
    house.see("#queue").await;
    house
        .until("document.querySelector('#note').value === ''")
        .await;
    between(&house, "422").await;
    house.see("#queue.refused").await;
    house.click("#queue").await;
    house.see(".outbox li[data-refused=true] textarea").await;
    house
        .fill(".outbox textarea", "slept well, no pillow")
        .await;
    nothing_between(&house).await;
    house.says("Try again").await;
    house
        .click(".outbox li[data-refused=true] .row button")
        .await;
    house.until("!document.querySelector('#queue')").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.says("slept well, no pillow").await;

    // A note that is too long for the server is told before it is signed, and stays through a reload.
    let long = "a".repeat(8_001);
    house.see("#note").await;
    let type_it = "const e=document.querySelector('#note');Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype,'value').set.call(e,arguments[0]);e.dispatchEvent(new Event('input',{bubbles:true}))";
    house
        .browser
        .execute(type_it, vec![json!(long)])
        .await
        .expect("typed");
    house.says("8,001 characters").await;
    house
        .until("document.querySelector('#sign-note').disabled")
        .await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house
        .until("document.querySelector('#note')?.value.length === 8001")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn nobody_sends_what_another_person_entered() {
    let house = House::open("others", 1280, 800).await;
    house.sql("insert into app_user (id, login, name, role, password_hash) select gen_random_uuid(), 'second', 'Ida Corvi', 'clinician', password_hash from app_user where login = 'demo'");
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    at_ranges(&house, &episode).await;
    between(&house, "503").await;
    house.keys("77s").await;
    house.says("1 entry waits").await;
    house.click("#sign-out").await;
    house.says("nobody else can send it").await;
    house.click("#sign-out-anyway").await;
    house.see("#login").await;

    house.sign_in_as("second").await;
    at_ranges(&house, &episode).await;
    // Her own entry goes; the one that waits is told and stays.
    house.keys("81s").await;
    dial(&house, "81").await;
    assert!(!kept(&house, &episode).await.contains(&77.0));
    between(&house, "503").await;
    house.keys("20s").await;
    house.click("#queue").await;
    house
        .says("One entry of another person waits on this machine")
        .await;
    nothing_between(&house).await;
    house.until("!document.querySelector('#queue')").await;
    assert!(!kept(&house, &episode).await.contains(&77.0));
    house.goto("/").await;
    house.click("#sign-out").await;
    house.see("#login").await;

    house.sign_in().await;
    at_ranges(&house, &episode).await;
    house.until("!document.querySelector('#queue')").await;
    assert!(kept(&house, &episode).await.contains(&77.0));
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn it_works_when_the_browser_denies_its_database() {
    let house = House::open("denied", 1280, 800).await;
    house
        .before_each_page(
            "IDBFactory.prototype.open = () => { throw new DOMException('no', 'SecurityError') }",
        )
        .await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    at_ranges(&house, &episode).await;
    house.keys("93s").await;
    house
        .until("document.querySelector('.save-mark').dataset.state === 'saved'")
        .await;
    assert!(kept(&house, &episode).await.contains(&93.0));
    // With the server away it waits as long as the page is open, and the outbox says so.
    at_ranges(&house, &episode).await;
    between(&house, "503").await;
    house.keys("94s").await;
    house.click("#queue").await;
    house.says("This browser denies its database").await;
    nothing_between(&house).await;
    house.until("!document.querySelector('#queue')").await;
    let values = kept(&house, &episode).await;
    assert_eq!(values.iter().filter(|v| **v == 94.0).count(), 1);
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_second_press_while_the_first_is_on_its_way_sends_nothing() {
    let house = House::open("twice", 1280, 900).await;
    house.sign_in().await;
    house.open_patient("Falanga").await;
    house.see(".criteria .ten button").await;
    between(&house, "hangs").await;
    let three = "document.querySelector('.criteria .ten button:nth-child(4)')";
    house
        .value(&format!("[0,1,2].forEach(() => {three}.click())"))
        .await;
    house
        .until("document.querySelector('.save-mark').dataset.state === 'saving'")
        .await;
    assert_eq!(house.value("window.__sent").await, json!(1));
    house.says("1 entry waits").await;
    house
        .until(&format!("{three}.getAttribute('aria-pressed') === 'true'"))
        .await;
    nothing_between(&house).await;
    house.until("!document.querySelector('#queue')").await;
    house.close().await;
}

/// Keys as a held-down key sends them.
async fn held(house: &House, key: &str) -> Value {
    house
        .value(&format!("[0,1,2,3,4,5].forEach(i => document.body.dispatchEvent(new KeyboardEvent('keydown', {{ key: '{key}', repeat: i > 0, bubbles: true, cancelable: true }})))"))
        .await
}

#[tokio::test(flavor = "multi_thread")]
async fn a_key_held_down_writes_one_finding() {
    let house = House::open("held", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Vescolan").await;
    let found = async || {
        let page = house.get(&format!("/api/episodes/{episode}/reading")).await;
        page["history"].as_array().map_or(0, Vec::len)
    };
    let before = found().await;
    house.see("main h1").await;
    house.keys("ge").await;
    house
        .until("document.querySelectorAll('.answer:not(.could)').length >= 2 && document.querySelectorAll('.mini').length > 0")
        .await;
    let test = house
        .value("document.querySelector('#card').dataset.test")
        .await;
    let key = house
        .value("document.querySelector('.answer:not(.could) kbd').innerText")
        .await;
    held(&house, key.as_str().expect("a key")).await;
    house
        .until("document.querySelector('.save-mark').dataset.state === 'saved'")
        .await;
    house
        .until(&format!(
            "document.querySelector('#card').dataset.test !== {test}"
        ))
        .await;
    assert_eq!(found().await, before + 1);
    house.close().await;
}
