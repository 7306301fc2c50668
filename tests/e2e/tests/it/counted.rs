//! How many taps the work takes, counted as the browser's own events.

use ritorno_e2e::House;
use serde_json::json;

/// Counts what a person does: presses and keys that the browser itself made, over all pages.
const COUNT: &str = "for (const kind of ['pointerdown', 'keydown']) addEventListener(kind, e => { if (e.isTrusted) sessionStorage.setItem('count', String(1 + Number(sessionStorage.getItem('count') ?? 0))) }, true)";

/// Nothing of what was entered is on its way or waits.
const ALL_SENT: &str = "document.querySelector('.save-mark').dataset.state === 'saved' && !document.querySelector('#queue')";

async fn counted(house: &House) -> u64 {
    let count = house.value("Number(sessionStorage.getItem('count'))").await;
    count.as_u64().unwrap_or(0)
}

/// A follow-up a week after the last one: flags asked, a week at home entered with two exceptions, how it felt, decisions
/// taken, a note drafted and signed. Twelve taps at most, and no keyboard.
#[tokio::test(flavor = "multi_thread")]
async fn a_follow_up_with_a_weeks_log_takes_twelve_taps() {
    let house = House::open_later("followup", 820, 1180, "2027-03-08").await;
    house.before_each_page(COUNT).await;
    house.sign_in().await;
    house.fill("#search", "Falanga").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1")
        .await;
    house.value("sessionStorage.setItem('count', '0')").await;
    house.click(".lane-row").await;
    house.see("#week").await;
    let episode = house.value("location.pathname.split('/')[2]").await;
    let visit = format!("/api/episodes/{}/visit", episode.as_str().expect("an id"));
    let before = house.get(&visit).await;
    assert_eq!(before["view"]["clock"]["day"], 45);

    house.click("#flags-none").await;
    house
        .until("document.querySelector('#flags-none').disabled")
        .await;
    house.click("#week-as-planned").await;
    house.see("#week-undo").await;
    // Two exceptions: one session less, and one day on which it was left out.
    let cell =
        |day: &str| format!("tr[data-exercise='hand-elbow-ball-squeeze'] .cell[data-day='{day}']");
    house.click(&cell("2027-03-03")).await;
    house
        .see(&format!("{}[data-state=part]", cell("2027-03-03")))
        .await;
    house.click("#asked .ten button:nth-child(2)").await;
    house.until(ALL_SENT).await;
    house
        .click("[data-felt='pain_next_morning 2027-03-08']")
        .await;
    // A draft that is asked for while an answer is under way waits for it.
    house.hold_back().await;
    house
        .click("button[aria-label='Pain next morning 1']")
        .await;
    house.click("#draft-note").await;
    house.see("#draft-note.ant-btn-loading").await;
    house.let_go().await;
    house
        .until("document.querySelector('#note').value.length > 40")
        .await;
    house.click("#sign-note").await;
    house.says("Signed.").await;
    let taps = counted(&house).await;
    assert!(taps <= 12, "{taps} taps");

    // All of it is on record: every planned session of the six days, less the one that was tapped away.
    let after = house.get(&visit).await;
    let cells = |page: &serde_json::Value, f: &dyn Fn(&serde_json::Value) -> u64| -> u64 {
        let rows = page["home"]["rows"].as_array().cloned().unwrap_or_default();
        let cells = rows
            .iter()
            .flat_map(|r| r["cells"].as_array().cloned().unwrap_or_default());
        cells.map(|c| f(&c)).sum()
    };
    let done = |c: &serde_json::Value| c["done"].as_u64().unwrap_or(0);
    assert!(
        cells(&after, &done) > cells(&before, &done) + 40,
        "a week of sessions"
    );
    let open = |c: &serde_json::Value| {
        u64::from(c["done"].is_null() && c["planned"].as_u64().unwrap_or(0) > 0)
    };
    let today = after["home"]["days"].as_array().map_or(0, Vec::len) - 1;
    let rows = after["home"]["rows"]
        .as_array()
        .cloned()
        .unwrap_or_default();
    for row in &rows {
        for (at, cell) in row["cells"].as_array().into_iter().flatten().enumerate() {
            assert!(at == today || at < 7 || open(cell) == 0, "{row}");
        }
    }
    assert!(
        after["last_note"]["body"]
            .as_str()
            .is_some_and(|note| note.contains("next morning 1")),
        "{}",
        after["last_note"]
    );

    // Taken back in one tap, all of it.
    house
        .goto(&format!("/e/{}/visit", episode.as_str().expect("an id")))
        .await;
    house.see("#week").await;
    house.click("[data-fill='2027-03-08']").await;
    house.click("#week-undo").await;
    house.until(ALL_SENT).await;
    let again = house.get(&visit).await;
    assert_eq!(json!(cells(&again, &done)), json!(cells(&after, &done)));
    house.close().await;
}

/// A first examination by touch: a new patient, red flags, the short plan of tests, the reading. What is tapped beside the
/// answers themselves is counted; an answer's own taps are those on its field or its key.
#[tokio::test(flavor = "multi_thread")]
async fn a_first_examination_takes_fifteen_taps_beside_its_answers() {
    let house = House::open("first", 820, 1180).await;
    house
        .before_each_page(&COUNT.replace("'pointerdown', 'keydown'", "'pointerdown'"))
        .await;
    house.sign_in().await;
    house.value("sessionStorage.setItem('count', '0')").await;
    let mut answers = 0;
    house.click("#new-patient").await;
    house.fill("#new_given_name", "Ilario").await;
    house.fill("#new_family_name", "Santin").await;
    house.day("#new_birth", "4 6 74").await;
    house.segment("#new_start", "By itself").await;
    house.day("#new_day0", "10 1 27").await;
    house.choose("#new_complaint", "raising").await;
    answers += 2;
    house.fill("#new_mechanism", "Since the new ceiling").await;
    house.fill("#new_work", "ceiling plasterer").await;
    house.click("#save-patient").await;
    house.click("#all-no").await;
    answers += 1;
    house.says("all asked").await;
    house.click(".path a[href$='/examine']").await;
    house.see("#card").await;
    let left = "document.querySelectorAll('.exam-item').length > 0 && /left/.test(document.querySelector('#minutes').innerText)";
    let mut tests = 0;
    while tests < 20 && house.value(left).await == json!(true) {
        let before = house
            .value("document.querySelector('#card').dataset.test")
            .await;
        if house
            .value("!!document.querySelector('.answer.number')")
            .await
            == json!(true)
        {
            house.click(".keypad [data-key='0']").await;
            house.click(".answer.number").await;
            answers += 2;
        } else {
            house.click(".answer:not(.could)").await;
            answers += 1;
        }
        house
            .until(&format!(
                "document.querySelector('#card')?.dataset.test !== {before} || !({left})"
            ))
            .await;
        tests += 1;
    }
    assert!(tests >= 4, "{tests} tests");
    house.click(".path a[href$='/read']").await;
    house.see("#beams .beam-row").await;
    let beside = counted(&house).await - answers;
    assert!(
        (3..=15).contains(&beside),
        "{beside} taps beside {answers} answers"
    );
    house.close().await;
}

/// A first examination without a pointer. An answer's own keys are its letters and the Tab or Enter that ends it; everything
/// else is beside it.
#[tokio::test(flavor = "multi_thread")]
async fn a_first_examination_by_keyboard_takes_fifteen_keys_beside_its_answers() {
    let house = House::open("byhand", 1280, 800).await;
    house.before_each_page(POINTERS).await;
    house.sign_in().await;
    house.see(".lane-row").await;
    house.value("sessionStorage.setItem('pointers', '0')").await;
    let mut beside = 0;
    house.keys("n").await;
    beside += 1;
    house
        .until("document.activeElement?.id === 'new_given_name'")
        .await;
    house.typed("Ilario\t").await;
    house.typed("Santin\t").await;
    house.typed("4 6 74\u{e007}\t").await;
    // What it began with: an arrow chooses, and is the answer.
    for (field, answer) in [
        // Each arrow by itself: it moves the focus.
        ("new_start", "\u{e014}"),
        ("new_start", "\u{e014}"),
        ("new_complaint", "\u{e015}\u{e007}\t"),
        ("new_day0", "10 1 27\u{e007}\t"),
        ("new_mechanism", "Since the new ceiling\t"),
        // Enter ends the last answer and hands the form in.
        ("new_work", "ceiling plasterer\u{e007}"),
    ] {
        beside += tab_to(
            &house,
            &format!("input#{field}, textarea#{field}, #{field} input"),
        )
        .await;
        house.typed(answer).await;
    }
    house.see("#all-no").await;
    beside += tab_to(&house, "#all-no").await;
    house.typed("\u{e007}").await;
    house.says("all asked").await;
    house.value("document.activeElement.blur()").await;
    house.keys("ge").await;
    beside += 2;
    house.see("#card").await;
    let left = "document.querySelectorAll('.exam-item').length > 0 && /left/.test(document.querySelector('#minutes').innerText)";
    let mut tests = 0;
    while tests < 20 && house.value(left).await == json!(true) {
        let before = house
            .value("document.querySelector('#card').dataset.test")
            .await;
        let number = house
            .value("!!document.querySelector('.answer.number')")
            .await;
        if number == json!(true) {
            // An index of nought is nobody's.
            let typed = if before == json!("pectoralis-minor-index") {
                "10\u{e007}"
            } else {
                "0\u{e007}"
            };
            house.keys(typed).await;
        } else {
            let key = house
                .value("document.querySelector('.answer:not(.could) kbd').innerText")
                .await;
            house.keys(key.as_str().expect("a key")).await;
        }
        house
            .until(&format!(
                "document.querySelector('#card')?.dataset.test !== {before} || !({left})"
            ))
            .await;
        tests += 1;
    }
    assert!(tests >= 4, "{tests} tests");
    house.keys("gr").await;
    beside += 2;
    house.see("#beams .beam-row").await;
    assert!((5..=15).contains(&beside), "{beside} keys beside");
    assert_eq!(
        house.value("sessionStorage.getItem('pointers')").await,
        json!("0")
    );
    house.close().await;
}

/// Counts what a pointer does.
const POINTERS: &str = "addEventListener('pointerdown', e => { if (e.isTrusted) sessionStorage.setItem('pointers', String(1 + Number(sessionStorage.getItem('pointers') ?? 0))) }, true)";

/// Presses Tab until the focus is there; answers how often.
async fn tab_to(house: &House, css: &str) -> u64 {
    let there = format!("document.activeElement?.matches({})", json!(css));
    for pressed in 0..60 {
        if house.value(&there).await == json!(true) {
            return pressed;
        }
        house.typed("\t").await;
    }
    panic!("no Tab leads to {css}");
}
