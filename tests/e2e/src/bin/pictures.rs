//! Pictures of each main view from the demo data: `./scripts/pictures`.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

use ritorno_e2e::House;
use std::path::PathBuf;

#[tokio::main]
async fn main() {
    let out = std::env::args().nth(1).map_or_else(|| PathBuf::from("docs/screenshots"), PathBuf::from);
    std::fs::create_dir_all(&out).expect("a folder");
    let house = House::open("pictures", 1280, 800).await;
    house.resize(1280, 800).await;
    let shot = |name: &str| out.join(format!("{name}.png"));
    house.goto("/").await;
    house.see("#login").await;
    house.picture(&shot("sign-in")).await;
    house.sign_in().await;
    house.see(".lane-row svg").await;
    house.picture(&shot("decisions")).await;
    house.open_patient("Falanga").await;
    house.see("#gate").await;
    house.picture(&shot("visit")).await;
    scroll(&house, "#log").await;
    house.picture(&shot("visit-log")).await;
    house.keys("gs").await;
    house.see("#flags").await;
    house.picture(&shot("story")).await;
    house.keys("gr").await;
    house.see(".dial.on").await;
    house.keys("11").await;
    house.picture(&shot("ranges")).await;
    house.keys("gp").await;
    house.see(".score-line").await;
    house.picture(&shot("program")).await;
    house.click(".score-line[aria-label^='Lying lift with the other hand']").await;
    house.see("#line-panel img").await;
    scroll(&house, "#line-panel").await;
    house.until("[...document.images].every(i => i.complete && i.naturalWidth > 0)").await;
    house.picture(&shot("program-line")).await;
    house.keys("gh").await;
    house.see("article img").await;
    house.until("[...document.images].every(i => i.complete && i.naturalWidth > 0)").await;
    house.picture(&shot("home")).await;
    house.open_patient("Oravec").await;
    house.keys("gr").await;
    house.see(".dial.on").await;
    house.picture(&shot("ranges-too-far")).await;
    house.open_patient("Raso").await;
    house.see("#gate").await;
    scroll(&house, "#gate").await;
    house.picture(&shot("gate-due")).await;
    house.close().await;
}

async fn scroll(house: &House, css: &str) {
    house.see(css).await;
    let script = "document.querySelector(arguments[0]).scrollIntoView({block:'start'}); window.scrollBy(0,-70)";
    house.browser.execute(script, vec![serde_json::json!(css)]).await.expect("scrolled");
}
