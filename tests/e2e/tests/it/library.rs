//! The library and the load bench in the browser: found, opened, dragged along, solved, sent to a program.

use ritorno_e2e::House;

#[tokio::test(flavor = "multi_thread")]
async fn an_exercise_is_found_weighed_and_sent_to_a_program() {
    let house = House::open("library", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto("/library").await;
    house
        .until("document.querySelectorAll('.excard').length > 200")
        .await;
    house.fill("#find", "outward turn elastic").await;
    house.until("document.querySelectorAll('.excard').length < 12 && !!document.querySelector('[data-exercise=external-rotation-standing-elastic]')").await;
    house
        .goto(&format!(
            "/library/external-rotation-standing-elastic?e={episode}"
        ))
        .await;
    house.see("#readout").await;
    // Protected: no share of strength, and it says so.
    house.says("No share of strength").await;
    let shown = "[...document.querySelectorAll('[data-step]')].filter(g => getComputedStyle(g).display !== 'none').map(g => g.dataset.step).join()";
    house.until(&format!("{shown} === '24'")).await;
    // Along the path figure, curve and numbers move together, and nothing is asked of the server.
    house
        .browser
        .execute("performance.clearResourceTimings()", vec![])
        .await
        .expect("cleared");
    house
        .keys("\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}")
        .await;
    house.until(&format!("{shown} === '19'")).await;
    house
        .until("document.querySelector('#bench [role=slider]')?.getAttribute('aria-valuenow') === '80'")
        .await;
    house.until("performance.getEntriesByType('resource').filter(r => r.name.includes('/api/')).length === 0").await;
    let peak = "parseFloat(document.querySelector('#readout > div:last-child b').innerText)";
    house.until(&format!("(window.before = {peak}) > 0")).await;
    house.click("#hold").await;
    house.click("#harder").await;
    house.until(&format!("{peak} > window.before")).await;
    house.says("% of the held one").await;
    house.fill("#wanted", "400").await;
    house.click("#solve-distance").await;
    house.says("Even the most gives").await;
    house
        .click("a[href*='program?add=external-rotation-standing-elastic']")
        .await;
    house.see("#line-panel").await;
    house
        .until("document.body.innerText.includes('Standing outward turn with elastic')")
        .await;
    // Resistance at day 38 after a repair: the check blocks it with its rule, live.
    house
        .until("document.querySelector('#line-panel').innerText.includes('blocked')")
        .await;
    house.close().await;
}
