//! Keys that go somewhere, press something or take something away; and a page that falls over.

use ritorno_e2e::House;
use serde_json::json;

#[tokio::test(flavor = "multi_thread")]
async fn g_is_forgotten_after_a_moment_and_a_focused_button_keeps_its_enter() {
    let house = House::open("keys", 1280, 800).await;
    house.sign_in().await;
    house.open_patient("Vescolan").await;
    house.see("main h1").await;
    house.keys("g").await;
    house.value("window.__g = performance.now()").await;
    house.until("performance.now() - window.__g > 1700").await;
    house.keys("s").await;
    assert!(
        house.value("location.pathname.endsWith('/visit')").await == json!(true),
        "a letter long after g goes nowhere"
    );
    house.keys("gf").await;
    house.see("#push").await;
    // Enter is a key of this page; with the focus on a button it presses the button.
    let side = "document.querySelector('#push b.strong-ink').innerText";
    let before = house.value(side).await;
    house
        .value("document.querySelector('#push button.plain').focus()")
        .await;
    let turn = house.see("#push button.plain").await;
    turn.send_keys("\u{E007}").await.expect("pressed");
    house.until(&format!("{side} !== {before}")).await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_line_goes_only_with_the_focus_on_it() {
    let house = House::open("backspace", 1280, 900).await;
    house.sign_in().await;
    house.open_patient("Falanga").await;
    house.see("main h1").await;
    house.keys("gp").await;
    house.see(".chart-line").await;
    let lines = "document.querySelectorAll('.chart-wrap .chart-line').length";
    let before = house.value(lines).await.as_u64().expect("a number");
    house
        .value("document.querySelector('.chart-line').dispatchEvent(new MouseEvent('click', { bubbles: true }))")
        .await;
    house.see("#line-panel").await;
    house.value("document.activeElement.blur()").await;
    house.keys("\u{E003}").await;
    house.keys("\u{E017}").await;
    assert_eq!(house.value(lines).await, json!(before));
    house.see("#line-panel").await;
    house
        .value("document.querySelector('.chart-line[aria-pressed=true]').focus()")
        .await;
    let line = house.see(".chart-line[aria-pressed=true]").await;
    line.send_keys("\u{E003}").await.expect("pressed");
    house.until(&format!("{lines} === {}", before - 1)).await;
    house.click("#undo").await;
    house.until(&format!("{lines} === {before}")).await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_page_that_falls_over_says_so_and_shows_the_way_home() {
    let house = House::open("fallen", 1280, 800).await;
    house.sign_in().await;
    // A script that is gone: asked for again by loading the page anew, and told when it stays away.
    house.chromium("Network.enable", json!({})).await;
    let gone = json!({ "urls": ["*/assets/Library*"] });
    house.chromium("Network.setBlockedURLs", gone).await;
    house.value("window.__before = true").await;
    house.click("a[href='/library']").await;
    house.see("#trouble").await;
    house.until("window.__before === undefined").await;
    house.says("This page fell over").await;
    house.click(".way-home").await;
    house.see("#new-patient").await;
    let back = json!({ "urls": [] });
    house.chromium("Network.setBlockedURLs", back).await;
    house.click("a[href='/library']").await;
    house
        .until("location.pathname === '/library' && !document.querySelector('#trouble')")
        .await;
    house.close().await;
}
