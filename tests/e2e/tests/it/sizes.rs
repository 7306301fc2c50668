//! Every screen at every size: nothing scrolls sideways but what scrolls inside itself.

use ritorno_e2e::House;
use serde_json::json;

/// What reaches beyond the right edge of the page, the innermost first; nothing where the page does not scroll sideways.
const BEYOND: &str = "(() => { const over = document.documentElement.scrollWidth - window.innerWidth; if (over <= 0) return []; const scrolls = e => { for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) if (/auto|scroll|hidden/.test(getComputedStyle(p).overflowX)) return true; return false }; return [over, ...[...document.body.querySelectorAll('*')].filter(e => e.getBoundingClientRect().right > window.innerWidth + 1 && !scrolls(e)).slice(-3).map(e => e.tagName + '.' + String(e.className.baseVal ?? e.className) + '#' + e.id)] })()";

#[tokio::test(flavor = "multi_thread")]
async fn no_screen_scrolls_sideways_at_any_size() {
    let house = House::open("sizes", 1280, 800).await;
    house.sign_in().await;
    let operated = house.open_patient("Falanga").await;
    let examined = house.open_patient("Vescolan").await;
    let mut pages = vec![
        ("/".to_owned(), ".lane-row"),
        ("/library".to_owned(), ".excard"),
        (
            "/library/external-rotation-standing-elastic".to_owned(),
            ".stage svg",
        ),
        ("/clinic/elastics".to_owned(), "main h1"),
        ("/clinic/pathways".to_owned(), "#pathways"),
        ("/clinic/reliability".to_owned(), "main h1"),
        ("/clinic/people".to_owned(), "#covers"),
        ("/clinic/trail".to_owned(), "#trail-rows"),
        ("/me".to_owned(), "#own-sessions"),
        ("/clinic/defaults".to_owned(), "#default-setting"),
        ("/clinic/kit".to_owned(), "#kit-table"),
    ];
    for (station, landmark) in [
        ("visit", "#week"),
        ("story", "#save-story"),
        ("examine", "#card"),
        ("ranges", ".dial.on"),
        ("strength", "#push"),
        ("scores", "#sheet"),
        ("read", "#state"),
        ("program", ".chart-line"),
        ("home", "#pdf"),
        ("timeline", ".timeline"),
        ("handover", "#handover-if"),
        ("program?as=list", "#line-list"),
    ] {
        pages.push((format!("/e/{operated}/{station}"), landmark));
    }
    for (station, landmark) in [("visit", "#was-read"), ("read", "#beams")] {
        pages.push((format!("/e/{examined}/{station}"), landmark));
    }
    let mut faults = Vec::new();
    for (path, landmark) in pages {
        house.goto(&path).await;
        house.see(landmark).await;
        // The last one is a window of 1280 by 800 at 200 %.
        for (width, height, scale) in [
            (1280, 800, 1),
            (1024, 768, 1),
            (820, 1180, 1),
            (390, 844, 1),
            (640, 400, 2),
        ] {
            let size = json!({ "width": width, "height": height, "deviceScaleFactor": scale, "mobile": false });
            house
                .chromium("Emulation.setDeviceMetricsOverride", size)
                .await;
            house
                .until(&format!("document.documentElement.clientWidth === {width}"))
                .await;
            let beyond = house.value(BEYOND).await;
            if beyond.as_array().is_none_or(|list| !list.is_empty()) {
                faults.push(format!("{path} at {width}: {beyond}"));
            }
        }
    }
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}
