//! Without a pointer and for everybody: what opens over a page, at sizes and in both looks; and Tab through each station.

use ritorno_e2e::House;
use serde_json::json;

/// What opens over a page, by the page, the thing that opens it and what is then seen.
const OVER: [(&str, &str, &str); 11] = [
    ("/", "#find-open", "#find-anything"),
    ("/", "#help", "#keys-switch"),
    ("/", "#new-patient", "#new_given_name"),
    ("/", "[data-peek]", "#peek #decide"),
    ("/", "#filter-open", "#filter-mine"),
    ("program", "#schools-open", "#schools"),
    ("program", "#what-if-open", "#what-if"),
    ("program", "#versions-open", "#versions"),
    ("visit", "#appointment-make", "#appointment-form"),
    ("/clinic", "#cover-until", ".ant-picker-dropdown"),
    ("/clinic", "#covers-by", ".ant-select-dropdown"),
];

#[tokio::test(flavor = "multi_thread")]
async fn what_opens_over_a_page_is_accessible_large_and_small_by_day_and_by_lamplight() {
    let house = House::open("over", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let mut faults = Vec::new();
    // Everything at every size in both looks with ./test --long; a slice of it, the widest by day and the narrowest by lamplight, always.
    let all = [(1280, 800), (820, 1180), (390, 844)];
    let (light, dark): (&[_], &[_]) = if std::env::var_os("RITORNO_LONG").is_some() {
        (&all, &all)
    } else {
        (&all[..1], &all[2..])
    };
    for (look, sizes) in [("light", light), ("dark", dark)] {
        if look == "dark" {
            house.goto("/").await;
            house.click("#look").await;
        }
        for (width, height) in sizes {
            house.resize(*width, *height).await;
            for (page, opens, seen) in OVER {
                let path = if page.starts_with('/') {
                    page.to_owned()
                } else {
                    format!("/e/{episode}/{page}")
                };
                house.goto(&path).await;
                house.click(opens).await;
                house.see(seen).await;
                for fault in house.accessibility_faults().await {
                    faults.push(format!("{seen} at {width} {look}: {fault}"));
                }
            }
        }
    }
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}

/// Every station of somebody of whom nothing is known yet, of somebody well on the way, and what is shown when things go wrong.
const STATES: [(&str, &str, &str); 13] = [
    ("Newcomer", "story", "#save-story"),
    ("Newcomer", "read", "main h1"),
    ("Newcomer", "program", "main h1"),
    ("Newcomer", "home", "main h1"),
    ("Newcomer", "timeline", "main h1"),
    ("Newcomer", "scores", "#sheet"),
    ("Falanga", "story", "#save-story"),
    ("Falanga", "scores", "#sheet"),
    ("Falanga", "handover", "#handover-if"),
    ("", "/?q=nobody-of-this-name", ".nothing"),
    ("", "/no/such/page", "#no-page"),
    ("", "/clinic/kit", "#kit-table"),
    ("", "/clinic/defaults", "#default-setting"),
];

#[tokio::test(flavor = "multi_thread")]
async fn empty_crowded_and_mistaken_pages_are_accessible_by_day_and_by_lamplight() {
    let house = House::open("states", 1280, 800).await;
    house.sign_in().await;
    let long = std::env::var_os("RITORNO_LONG").is_some();
    let falanga = house.open_patient("Falanga").await;
    let newcomer = "01900000-0000-7000-8000-00000000e0e0";
    let body = json!({ "patient": "01900000-0000-7000-8000-00000000e0e1", "episode": newcomer, "given_name": "Nuova",
        "family_name": "Newcomer", "birth": "1990-02-03", "story": { "pathway": "no-operation", "start": "gradual", "side": "left",
        "day0": "2027-02-20", "dominant": "right", "mechanism": "", "work": "", "clearance": null, "sling_worn": null, "health": [],
        "tasks": [], "kit": [], "note": "" } });
    assert_eq!(house.post("/api/patients", &body).await, json!(200));
    let all = [(1280, 800), (820, 1180), (390, 844)];
    let mut faults = Vec::new();
    for (n, look) in ["light", "dark"].into_iter().enumerate() {
        if look == "dark" {
            house.goto("/").await;
            house.click("#look").await;
        }
        // Everything with ./test --long; else what is odd by day and wide, what is even by lamplight and narrow.
        let sizes = if long {
            &all[..]
        } else {
            &all[2 * n..2 * n + 1]
        };
        for (width, height) in sizes {
            house.resize(*width, *height).await;
            for (at, (who, page, landmark)) in STATES.into_iter().enumerate() {
                if !long && at % 2 != n {
                    continue;
                }
                let path = match who {
                    "" => page.to_owned(),
                    "Falanga" => format!("/e/{falanga}/{page}"),
                    _ => format!("/e/{newcomer}/{page}"),
                };
                house.goto(&path).await;
                house.see(landmark).await;
                for fault in house.accessibility_faults().await {
                    faults.push(format!("{path} at {width} {look}: {fault}"));
                }
            }
        }
    }
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}

/// Tab goes through every station from its heading to its end and never gets stuck: what has the focus is there to be seen.
#[tokio::test(flavor = "multi_thread")]
async fn tab_leads_through_every_station_and_the_focus_is_seen() {
    let house = House::open("tabs", 1280, 800).await;
    house.sign_in().await;
    house.open_patient("Falanga").await;
    house.see("main h1").await;
    let mut faults = Vec::new();
    for (keys, landmark) in [
        ("gv", "#week"),
        ("gs", "#save-story"),
        ("ge", "#card"),
        ("gm", ".dial.on"),
        ("gf", "#push"),
        ("go", "#sheet"),
        ("gr", "#state"),
        ("gp", ".chart-line"),
        ("gh", "#pdf"),
        ("gw", "#handover-if"),
        ("gt", ".timeline"),
        ("gl", ".excard"),
        ("gc", "#people"),
        ("gd", ".lane-row"),
    ] {
        house.keys(keys).await;
        house.see(landmark).await;
        let mut stood = 0;
        let mut last = json!(null);
        for _ in 0..25 {
            house.typed("\t").await;
            let now = house.value(FOCUS).await;
            if now["seen"] != json!(true) {
                faults.push(format!("{keys}: {now}"));
            }
            stood = if now == last { stood + 1 } else { 0 };
            if stood > 3 {
                faults.push(format!("{keys}: stuck at {now}"));
                break;
            }
            last = now;
        }
        house.value("document.activeElement.blur()").await;
    }
    faults.dedup();
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}

/// Where the focus is, and whether it can be seen: the page itself always can.
const FOCUS: &str = "(() => { const e = document.activeElement; if (!e || e === document.body) return { seen: true, what: 'page' }; const b = e.getBoundingClientRect(); const box = e.matches('input[type=radio], input[type=checkbox], .ant-select-input, input') ? (e.closest('.ant-segmented-item, .ant-checkbox-wrapper, .ant-select, .ant-picker, label') ?? e).getBoundingClientRect() : b; return { seen: box.width > 3 && box.height > 3 && box.bottom > 0 && box.top < innerHeight, what: e.tagName + '#' + e.id + '.' + String(e.className.baseVal ?? e.className), at: [...document.querySelectorAll('*')].indexOf(e) } })()";
