//! Pictures of each main view from the demo data: `./scripts/pictures`.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a test that cannot go on says so and ends

use ritorno_e2e::House;
use serde_json::json;
use std::path::PathBuf;

#[tokio::main]
async fn main() {
    let out = std::env::args()
        .nth(1)
        .map_or_else(|| PathBuf::from("docs/screenshots"), PathBuf::from);
    std::fs::create_dir_all(&out).expect("a folder");
    let house = House::open("pictures", 1280, 800).await;
    house.resize(1280, 800).await;
    let shot = |name: &str| out.join(format!("{name}.png"));
    house.goto("/").await;
    house.see("#login").await;
    house.sign_in().await;
    house.see(".lane-row svg").await;
    house.picture(&shot("decisions")).await;
    house.open_patient("Falanga").await;
    house.see("#gate").await;
    house.picture(&shot("visit")).await;
    house.keys("gs").await;
    house.see("#flags").await;
    house.picture(&shot("story")).await;
    house.keys("gm").await;
    house.see(".dial.on").await;
    house.keys("11").await;
    house.picture(&shot("ranges")).await;
    house.keys("gp").await;
    house.see(".chart-line").await;
    house.picture(&shot("program")).await;
    let episode = house.open_patient("Brera").await;
    let hours = json!({ "id": "00000000-0000-7000-8000-000000000001", "on": "2027-03-01", "days": [true, true, true, true, true, true, false], "times": ["07:30:00", "18:00:00"] });
    house
        .post(&format!("/api/episodes/{episode}/home-hours"), &hours)
        .await;
    house.goto(&format!("/e/{episode}/program?as=week")).await;
    house.see(".week [data-chip]").await;
    house.picture(&shot("week")).await;
    let episode = house.open_patient("Falanga").await;
    sheet(&house, &episode, &out.join("sheet")).await;
    house.keys("gw").await;
    house.see("#handover-if").await;
    house.picture(&shot("handover")).await;
    house.keys("gt").await;
    house.see(".timeline [data-seq]").await;
    house.picture(&shot("timeline")).await;
    house.keys("gp").await;
    house.see(".chart-line").await;
    house.keys("gh").await;
    house.see("article img").await;
    house
        .until("[...document.images].every(i => i.complete && i.naturalWidth > 0)")
        .await;
    house.picture(&shot("home")).await;
    house.open_patient("Vescolan").await;
    house.keys("ge").await;
    house.see(".mini").await;
    house.picture(&shot("examine")).await;
    house.keys("gr").await;
    house.see("#beams").await;
    house.picture(&shot("read")).await;
    house
        .click("[data-hypothesis=subacromial-pain] .beam-row")
        .await;
    house.see(".steps").await;
    house.keys("gf").await;
    house.see("#push").await;
    house.click("#device").await;
    house.see("#measured").await;
    house.picture(&shot("strength")).await;
    house.goto("/clinic/people").await;
    house.see("#access-rules").await;
    house.picture(&shot("people")).await;
    house.goto("/clinic/elastics").await;
    for (i, force) in [4.4, 7.5, 10.1, 12.2, 14.3, 16.3, 19.9, 23.6]
        .iter()
        .enumerate()
    {
        house.fill(&format!("#pull-{i}"), &force.to_string()).await;
    }
    house.click("#keep-elastic").await;
    house.says("Every load is worked out with it").await;
    house.goto("/clinic/pathways").await;
    house
        .click("#pathways .score-list li:nth-child(4) button")
        .await;
    house.see("#copy-title").await;
    house.fill("#copy-title", "Anterior repair, our way").await;
    house.click("#copy-pathway").await;
    house.see("#save-pathway").await;
    house
        .browser
        .execute(
            "const f=document.querySelector('#pathway-file');const set=Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype,'value').set;set.call(f,f.value.replace('ceiling = 90.0','ceiling = 80.0'));f.dispatchEvent(new Event('input',{bubbles:true}));",
            vec![],
        )
        .await
        .expect("edited");
    house.see("#against-base").await;
    house.scroll("#pathways").await;
    house.picture(&shot("pathways")).await;
    house.goto("/library").await;
    house.until("document.querySelectorAll('.excard img').length > 200 && [...document.querySelectorAll('.excard img')].slice(0, 10).every(i => i.complete)").await;
    house.picture(&shot("library")).await;
    house.goto("/library/diagonal-draw-out-and-up").await;
    house.see("#readout").await;
    house.click("#hold").await;
    house.click("#harder").await;
    house
        .keys("\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}")
        .await;
    house.says("% of the held one").await;
    house
        .browser
        .execute("window.scrollTo(0, 0)", vec![])
        .await
        .expect("scrolled");
    house.picture(&shot("load-bench")).await;
    house.open_patient("Falanga").await;
    house.see("#gate").await;
    outbox(&house).await;
    house.picture(&shot("outbox")).await;
    house.close().await;
    phone(&shot("phone")).await;
}

/// One exercise on the patient's own page.
async fn phone(file: &std::path::Path) {
    let house = House::open("pictures_phone", 390, 844).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/home")).await;
    house.click("#phone-make").await;
    house.see("#phone-picture").await;
    let address = house
        .value("document.querySelector('#phone-address').textContent")
        .await;
    let (_, link) = address
        .as_str()
        .and_then(|address| address.split_once('#'))
        .expect("an address");
    house.goto(&format!("/h#{link}")).await;
    house.fill("#day", "12").await;
    house.fill("#month", "5").await;
    house.fill("#year", "1979").await;
    house.click("#open").await;
    // A window is never as narrow as a telephone; its contents can be.
    house.resize(390, 844).await;
    house.click("#start").await;
    house
        .until("[...document.images].every(i => i.complete && i.naturalWidth > 0)")
        .await;
    house.picture(file).await;
    house.close().await;
}

/// Two entries that cannot be sent, and the outbox open.
async fn outbox(house: &House) {
    house.keys("gm").await;
    house.see(".dial.on").await;
    let away = "window.fetch = (real => (to, o) => o?.method === 'POST' ? Promise.resolve(new Response('', { status: 503 })) : real(to, o))(window.fetch)";
    house.value(away).await;
    house.keys("109s").await;
    house.says("1 entry waits").await;
    house.keys("25s").await;
    house.says("2 entries wait").await;
    house.click("#queue").await;
    house.see("ul.outbox li:nth-child(2)").await;
    house
        .until("getComputedStyle(document.querySelector('.ant-drawer-content-wrapper')).transform === 'none'")
        .await;
}

/// The first page of the sheet that goes home.
async fn sheet(house: &House, episode: &str, file: &std::path::Path) {
    let asked = format!(
        "fetch('/api/episodes/{episode}/handout.pdf').then(r => r.arrayBuffer()).then(b => window.sheet = Array.from(new Uint8Array(b)))"
    );
    house.until(&format!("({asked}, window.sheet)")).await;
    let told = house.value("window.sheet").await;
    let bytes: Vec<u8> = serde_json::from_value(told).expect("bytes");
    let pdf = file.with_extension("pdf");
    std::fs::write(&pdf, bytes).expect("written");
    let drawn = std::process::Command::new("pdftoppm")
        .args(["-png", "-r", "96", "-singlefile"])
        .args([&pdf, file])
        .status();
    std::fs::remove_file(&pdf).expect("removed");
    assert!(drawn.expect("poppler-utils is installed").success());
}
