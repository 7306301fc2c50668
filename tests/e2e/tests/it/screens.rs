//! Every screen: nothing serious found by axe-core, no sideways scrolling, keys that work.

use ritorno_e2e::House;

#[tokio::test(flavor = "multi_thread")]
async fn no_screen_has_a_serious_accessibility_fault() {
    let house = House::open("screens", 1280, 800).await;
    house.resize(1280, 800).await;
    let mut faults: Vec<String> = Vec::new();
    house.goto("/").await;
    house.see("#login").await;
    faults.extend(
        house
            .accessibility_faults()
            .await
            .into_iter()
            .map(|f| format!("sign-in: {f}")),
    );
    house.sign_in().await;
    house.see(".lane-row").await;
    assert_eq!(
        lanes(&house).await,
        6,
        "one demo patient in each lane at least"
    );
    faults.extend(
        house
            .accessibility_faults()
            .await
            .into_iter()
            .map(|f| format!("decisions: {f}")),
    );
    house.click("#new-patient").await;
    house.see("#new_given_name").await;
    faults.extend(
        house
            .accessibility_faults()
            .await
            .into_iter()
            .map(|f| format!("new patient: {f}")),
    );
    for who in ["Falanga", "Oravec"] {
        let episode = house.open_patient(who).await;
        for (station, landmark) in [
            ("visit", "#log"),
            ("story", "#limits"),
            ("examine", "#card"),
            ("ranges", ".dial.on"),
            ("read", "#state"),
            ("program", ".chart-line"),
            ("home", "#pdf"),
        ] {
            house.goto(&format!("/e/{episode}/{station}")).await;
            house.see(landmark).await;
            faults.extend(
                house
                    .accessibility_faults()
                    .await
                    .into_iter()
                    .map(|f| format!("{who} {station}: {f}")),
            );
            let wide = house
                .browser
                .execute(
                    "return document.documentElement.scrollWidth - window.innerWidth",
                    vec![],
                )
                .await
                .expect("a number");
            assert!(
                wide.as_i64().unwrap_or(99) <= 0,
                "{station} scrolls sideways by {wide}"
            );
        }
    }
    for who in ["Vescolan", "Benedusi", "Grimaz"] {
        let episode = house.open_patient(who).await;
        for (station, landmark) in [
            ("visit", "#was-read"),
            ("examine", ".mini"),
            ("ranges", ".dial.on"),
            ("strength", "#push"),
            ("scores", "#sheet"),
            ("read", "#beams"),
            ("program", "#no-pathway"),
        ] {
            house.goto(&format!("/e/{episode}/{station}")).await;
            house.see(landmark).await;
            if station == "read" {
                house.click("#beams .beam-block .beam-row").await;
                house.see(".beam-open").await;
            }
            faults.extend(
                house
                    .accessibility_faults()
                    .await
                    .into_iter()
                    .map(|f| format!("{who} {station}: {f}")),
            );
        }
    }
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}

async fn lanes(house: &House) -> i64 {
    house
        .until("document.querySelectorAll('.lane-row').length >= 8")
        .await;
    house
        .browser
        .execute("return new Set([...document.querySelectorAll('.lane-row')].map(r => r.dataset.lane)).size", vec![])
        .await
        .expect("a number")
        .as_i64()
        .unwrap_or(0)
}

#[tokio::test(flavor = "multi_thread")]
async fn the_day_is_found_by_name_by_lane_and_by_key() {
    let house = House::open("keys", 1280, 800).await;
    house.sign_in().await;
    house.see(".lane-row").await;
    house.fill("#search", "mosaic").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 2")
        .await;
    house.says("Fosca Arbelin").await;
    house.fill("#search", "imelda").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1")
        .await;
    house.says("Imelda Raso").await;
    house.fill("#search", "100%").await;
    house.says("Nobody fits").await;
    house.fill("#search", "").await;
    house
        .until("document.querySelectorAll('.lane-row').length >= 8")
        .await;
    house.click(".chip[aria-pressed]:nth-of-type(3)").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1")
        .await;
    house.says("all 7 criteria met").await;
    // What is looked for stands in the address, and the only one found opens on Enter.
    house.until("location.search === '?lane=gate_due'").await;
    house.goto("/?q=imelda").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1 && document.querySelector('#search').value === 'imelda'")
        .await;
    house
        .see("#search")
        .await
        .send_keys("\u{e007}")
        .await
        .expect("pressed");
    house.until("location.pathname.endsWith('/visit')").await;
    house.says("Imelda Raso").await;
    house.close().await;
}

/// The dark look keeps its contrast on the screens with the most ink, survives a reload, and leaves paper light.
#[tokio::test(flavor = "multi_thread")]
async fn by_lamplight_everything_stays_readable() {
    let house = House::open("lamplight", 1280, 800).await;
    house.sign_in().await;
    house.see(".lane-row svg").await;
    house.click("#look").await;
    house
        .until("document.documentElement.dataset.look === 'dark'")
        .await;
    let mut faults = house.accessibility_faults().await;
    let operated = house.open_patient("Oravec").await;
    house.goto("/").await;
    house
        .until("document.documentElement.dataset.look === 'dark'")
        .await;
    let examined = house.open_patient("Vescolan").await;
    for (path, landmark) in [
        (format!("/e/{operated}/visit"), "#log"),
        (format!("/e/{operated}/ranges"), ".dial.on"),
        (format!("/e/{operated}/program"), ".chart-line"),
        (format!("/e/{examined}/examine"), ".mini"),
        (format!("/e/{examined}/read"), "#beams"),
        (format!("/e/{examined}/strength"), "#push"),
        (
            "/library/external-rotation-standing-elastic".to_owned(),
            ".stage svg",
        ),
        ("/clinic/pathways".to_owned(), "#pathways"),
    ] {
        house.goto(&path).await;
        house.see(landmark).await;
        faults.extend(
            house
                .accessibility_faults()
                .await
                .into_iter()
                .map(|f| format!("{path}: {f}")),
        );
    }
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}
