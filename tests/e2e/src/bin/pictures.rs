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
    house.sign_in().await;
    house.see(".lane-row svg").await;
    house.picture(&shot("decisions")).await;
    house.open_patient("Falanga").await;
    house.see("#gate").await;
    house.picture(&shot("visit")).await;
    house.scroll("#log").await;
    house.keys("gs").await;
    house.see("#flags").await;
    house.picture(&shot("story")).await;
    house.keys("gm").await;
    house.see(".dial.on").await;
    house.keys("11").await;
    house.picture(&shot("ranges")).await;
    house.keys("gp").await;
    house.see(".score-line").await;
    house.picture(&shot("program")).await;
    house.click(".score-line[aria-label^='Lying lift with the other hand']").await;
    house.see("#line-panel img").await;
    house.scroll("#line-panel").await;
    house.until("[...document.images].every(i => i.complete && i.naturalWidth > 0)").await;
    house.picture(&shot("program-line")).await;
    house.keys("gh").await;
    house.see("article img").await;
    house.until("[...document.images].every(i => i.complete && i.naturalWidth > 0)").await;
    house.picture(&shot("home")).await;
    sheet(&house, &out).await;
    house.open_patient("Oravec").await;
    house.keys("gm").await;
    house.see(".dial.on").await;
    house.picture(&shot("ranges-too-far")).await;
    house.open_patient("Raso").await;
    house.see("#gate").await;
    house.scroll("#gate").await;
    house.open_patient("Vescolan").await;
    house.keys("ge").await;
    house.see(".mini").await;
    house.picture(&shot("examine")).await;
    house.keys("gr").await;
    house.see("#beams").await;
    house.picture(&shot("read")).await;
    house.click("[data-hypothesis=subacromial-pain] .beam-row").await;
    house.see(".steps").await;
    house.keys("gf").await;
    house.see("#push").await;
    house.click("#device").await;
    house.see("#reading").await;
    house.picture(&shot("strength")).await;
    house.keys("go").await;
    house.see("#change").await;
    house.picture(&shot("scores")).await;
    house.open_patient("Falanga").await;
    house.keys("gr").await;
    house.see("#state").await;
    house.picture(&shot("read-operated")).await;
    house.goto("/clinic").await;
    house.see("#cell-0-0").await;
    for (i, row) in [[120, 130, 112], [90, 99, 84], [150, 161, 140], [101, 113, 96]].iter().enumerate() {
        for (j, value) in row.iter().enumerate() {
            house.fill(&format!("#cell-{i}-{j}"), &value.to_string()).await;
        }
    }
    house.see("#verdict").await;
    house.picture(&shot("reliability")).await;
    for (i, force) in [4.4, 7.5, 10.1, 12.2, 14.3, 16.3, 19.9, 23.6].iter().enumerate() {
        house.fill(&format!("#pull-{i}"), &force.to_string()).await;
    }
    house.click("#keep-elastic").await;
    house.says("Every load is worked out with it").await;
    house.scroll("#elastics").await;
    house.picture(&shot("elastics")).await;
    house.goto("/library").await;
    house.until("document.querySelectorAll('.excard img').length > 200 && [...document.querySelectorAll('.excard img')].slice(0, 10).every(i => i.complete)").await;
    house.picture(&shot("library")).await;
    house.goto("/library/dia3").await;
    house.see("#readout").await;
    house.click("#hold").await;
    house.click("#harder").await;
    house
        .keys("\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}\u{E012}")
        .await;
    house.says("% of the held one").await;
    house.browser.execute("window.scrollTo(0, 0)", vec![]).await.expect("scrolled");
    house.picture(&shot("load-bench")).await;
    house.close().await;
}

/// The second page of the sheet, drawn by poppler.
async fn sheet(house: &House, out: &std::path::Path) {
    let script = "const done=arguments[0];fetch(document.querySelector('#pdf').href).then(r=>r.blob()).then(b=>{const f=new FileReader();f.onload=()=>done(f.result.split(',')[1]);f.readAsDataURL(b)})";
    let text = house.browser.execute_async(script, vec![]).await.expect("fetched");
    let pdf = std::env::temp_dir().join(format!("ritorno-sheet-{}.pdf", std::process::id()));
    let mut decode = std::process::Command::new("base64")
        .arg("-d")
        .stdin(std::process::Stdio::piped())
        .stdout(std::fs::File::create(&pdf).expect("a file"))
        .spawn()
        .expect("base64 runs");
    std::io::Write::write_all(&mut decode.stdin.take().expect("piped"), text.as_str().expect("text").as_bytes()).expect("written");
    decode.wait().expect("decoded");
    for page in ["1", "2"] {
        let name = if page == "2" { out.join("sheet") } else { std::env::temp_dir().join("ritorno-sheet-1") };
        let status = std::process::Command::new("pdftoppm")
            .args(["-png", "-r", "80", "-singlefile", "-f", page, "-l", page])
            .arg(&pdf)
            .arg(name)
            .status();
        assert!(status.expect("poppler-utils is installed").success());
    }
    std::fs::remove_file(pdf).expect("removed");
}
