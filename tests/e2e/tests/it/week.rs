//! The week at home in the browser: days and hours as the patient says them, exercises carried to other days.

use ritorno_e2e::House;
use serde_json::{Value, json};

/// The middle of what a selector finds.
async fn middle(house: &House, css: &str) -> (f64, f64) {
    let script = format!(
        "(() => {{ const r = document.querySelector('{css}').getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]; }})()"
    );
    let found = house.value(&script).await;
    (
        found[0].as_f64().expect("a place"),
        found[1].as_f64().expect("a place"),
    )
}

fn mouse(kind: &str, (x, y): (f64, f64)) -> Value {
    json!({ "type": kind, "x": x, "y": y, "button": "left", "buttons": 1, "clickCount": 1 })
}

fn touch(kind: &str, at: Option<(f64, f64)>) -> Value {
    let points: Vec<Value> = at
        .into_iter()
        .map(|(x, y)| json!({ "x": x, "y": y }))
        .collect();
    json!({ "type": kind, "touchPoints": points })
}

#[tokio::test(flavor = "multi_thread")]
async fn the_week_is_laid_on_the_patient_s_days_and_changed_by_carrying() {
    let house = House::open("week", 1280, 1000).await;
    house.sign_in().await;
    let episode = house.open_patient("Brera").await;
    house.goto(&format!("/e/{episode}/program?as=week")).await;
    house.see("[data-weekday='1'] [data-chip]").await;
    house.says("at any time").await;
    // Days and hours are typed, and there again after the page was left.
    house.click("#suits-7").await;
    house.click("#home-times").await;
    for hour in ["18:00:00", "07:30:00"] {
        house
            .click(&format!(".ant-select-dropdown [data-value='{hour}']"))
            .await;
    }
    house.keys("\u{e00c}").await;
    house.kept("07:30:00").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.goto(&format!("/e/{episode}/program?as=week")).await;
    house
        .until("!document.querySelector('#suits-7')?.checked")
        .await;
    house.click("#keep-hours").await;
    house
        .until("document.querySelector('[data-weekday=\"1\"] .week-times')?.textContent.includes('07:30')")
        .await;
    house.see("[data-weekday='7'][data-suits=false]").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());

    // By the mouse.
    let name = house
        .value("document.querySelector('[data-weekday=\"1\"] [data-chip]').dataset.exercise")
        .await;
    let name = name.as_str().expect("an exercise").to_owned();
    let on = |day: u8| format!("[data-weekday=\"{day}\"] [data-exercise={name}]");
    let gone = |day: u8| format!("!document.querySelector('{}')", on(day));
    let from = middle(&house, &on(1)).await;
    let to = middle(&house, "[data-weekday=\"2\"]").await;
    for (kind, at) in [("mousePressed", from), ("mouseMoved", to)] {
        house
            .chromium("Input.dispatchMouseEvent", mouse(kind, at))
            .await;
    }
    house.see("[data-weekday='2'].over").await;
    house
        .chromium("Input.dispatchMouseEvent", mouse("mouseReleased", to))
        .await;
    house.see(&on(2)).await;
    house.until(&gone(1)).await;
    house.see("#save-program").await;
    // By a finger: from Tuesday to Thursday.
    let from = middle(&house, &on(2)).await;
    let to = middle(&house, "[data-weekday=\"4\"]").await;
    let half = ((from.0 + to.0) / 2.0, from.1);
    for (kind, at) in [
        ("touchStart", Some(from)),
        ("touchMove", Some(half)),
        ("touchMove", Some((to.0, from.1))),
        ("touchEnd", None),
    ] {
        house
            .chromium("Input.dispatchTouchEvent", touch(kind, at))
            .await;
    }
    house.see(&on(4)).await;
    house.until(&gone(2)).await;
    // By the keyboard, and the focus goes along.
    house
        .value(&format!("document.querySelector('{}').focus()", on(4)))
        .await;
    house.typed("\u{e012}").await;
    house.see(&on(2)).await;
    house
        .until(&format!(
            "document.activeElement === document.querySelector('{}')",
            on(2)
        ))
        .await;
    // Where it was done already nothing is put twice, and every step can be taken back.
    let before = house
        .value("document.querySelectorAll('.week [data-chip]').length")
        .await;
    let from = middle(&house, &on(2)).await;
    let to = middle(&house, "[data-weekday=\"3\"]").await;
    for (kind, at) in [
        ("mousePressed", from),
        ("mouseMoved", to),
        ("mouseReleased", to),
    ] {
        house
            .chromium("Input.dispatchMouseEvent", mouse(kind, at))
            .await;
    }
    assert_eq!(
        house
            .value("document.querySelectorAll('.week [data-chip]').length")
            .await,
        before
    );
    for _ in 0..3 {
        house.click("#undo").await;
    }
    house.see(&on(1)).await;
    // Its days are taken in and out beside its dose, and counted.
    house.click(&on(1)).await;
    house.see("#line-panel").await;
    house.click("#line-day-6").await;
    house.see(&on(6)).await;
    house
        .until("document.querySelector('#dose-days_per_week').value === '4'")
        .await;
    house.click("#save-program").await;
    house.see("#sign-program:not([disabled])").await;
    house.click("#sign-program").await;
    house.says("version 2").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_was_missing_at_home_leads_to_a_program_without_it() {
    let house = House::open("kit", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let page = house.get(&format!("/api/episodes/{episode}/program")).await;
    let row = page["kit"]
        .as_array()
        .expect("kit")
        .iter()
        .find(|row| row["kit"] == "stick")
        .expect("something with a stick");
    let left = json!({ "id": "00000000-0000-7000-8000-000000000002", "on": "2027-03-01", "exercise": row["exercises"][0],
        "kind": "left_out", "because": "no_kit", "remark": "" });
    house
        .post(&format!("/api/episodes/{episode}/log"), &left)
        .await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.click("#kit-missed a").await;
    house.see("[data-kit=stick][data-there=true]").await;
    house.says("told to be missing on 1 Mar 2027").await;
    house.click("[data-kit=stick] button").await;
    house.see("[data-kit=stick][data-there=false]").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.click("#kit-missing button").await;
    house.see("#save-program:not([disabled])").await;
    // Nothing that needs one is left on the desk, and nothing was signed by itself.
    house.click("#program-as label:nth-of-type(2)").await;
    for exercise in row["exercises"].as_array().expect("exercises") {
        let exercise = exercise.as_str().expect("an id");
        house
            .until(&format!(
                "!document.querySelector('#line-list [data-line={exercise}]')"
            ))
            .await;
    }
    house.says("edited since version 1 was signed").await;
    house.close().await;
}
