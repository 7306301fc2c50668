//! A subacromial examination of twelve items, by keyboard only, and its reading.

use ritorno_e2e::House;

async fn ask(house: &House, script: &str) -> String {
    house
        .browser
        .execute(&format!("return String({script})"), vec![])
        .await
        .expect("answered")
        .as_str()
        .unwrap_or_default()
        .to_owned()
}

#[tokio::test(flavor = "multi_thread")]
async fn twelve_items_by_keyboard_move_the_beams() {
    let house = House::open("exam", 1280, 800).await;
    house.resize(1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Vescolan").await;
    house.see("main h1").await;
    house.keys("ge").await;
    house.see("#card").await;
    house
        .until("document.querySelectorAll('.mini').length > 0")
        .await;
    let mut pressed = 0;
    let mut press = async |keys: &str| {
        house.keys(keys).await;
        pressed += keys.chars().count();
    };
    for item in 1..=12 {
        let test = ask(&house, "document.querySelector('#card').dataset.test").await;
        let numeric = ask(&house, "!!document.querySelector('#typed')").await == "true";
        // Own pain, or strong but painful, where the words are so; the first answer of any other test; nothing for a lag.
        let key = match (test.as_str(), numeric) {
            ("neck-screen", _) => "c",
            (_, true) => "0\u{E007}",
            ("resisted-er" | "empty-can" | "full-can", _) => "2",
            ("painful-arc" | "hawkins-kennedy" | "neer", _) => "1",
            _ => {
                if ask(
                    &house,
                    "document.querySelectorAll('.answer:not(.could)').length",
                )
                .await
                    == "2"
                {
                    "2"
                } else {
                    "3"
                }
            }
        };
        press(key).await;
        house
            .until(&format!(
                "document.querySelector('#card').dataset.test !== '{test}'"
            ))
            .await;
        house.until(&format!("[...document.querySelectorAll('.exam-list section')].some(s => s.querySelector('h3')?.innerText.startsWith('Done today') && s.querySelectorAll('.exam-item').length === {item})")).await;
    }
    assert!(pressed <= 3 * 12, "{pressed} keys for 12 items");
    println!(
        "keystrokes for 12 items: {pressed}; answer to moved beam: {} ms",
        ask(
            &house,
            "document.querySelector('#examine').dataset.answerMs"
        )
        .await
    );
    let before = ask(
        &house,
        "document.querySelector('.mini[data-hypothesis=subacromial-pain] b').innerText",
    )
    .await;
    assert!(
        before
            .trim_end_matches(" %")
            .trim_start_matches("> ")
            .parse::<u32>()
            .expect("percent")
            >= 85,
        "{before}"
    );
    // Undo brings the last one back to the plan.
    house.keys("u").await;
    house.until("[...document.querySelectorAll('.exam-list section')].some(s => s.querySelector('h3')?.innerText.startsWith('Done today') && s.querySelectorAll('.exam-item').length === 11)").await;
    // Read: the beam opens and shows its steps and sources.
    house.keys("gr").await;
    house
        .click("[data-hypothesis=subacromial-pain] .beam-row")
        .await;
    house.says("from memory").await;
    // High, and still open: the studies lie far apart, and the page says so.
    house
        .until(
            "document.querySelector('[data-hypothesis=subacromial-pain]').dataset.word === 'open'",
        )
        .await;
    house.says("but the interval reaches down to").await;
    // A vote on irritability moves the level.
    for question in ["night", "end_range", "disability"] {
        house
            .click(&format!(
                "[data-vote={question}] .three button:nth-child(3)"
            ))
            .await;
        house
            .until(&format!(
                "document.querySelector('[data-vote={question}] .three button:nth-child(3)').getAttribute('aria-pressed') === 'true'"
            ))
            .await;
    }
    house
        .until("document.querySelector('#irritability .level').innerText === 'high'")
        .await;
    // A painful arc is typed on the way: where it began, where it ended, the measurement, why it stopped.
    house.keys("gm").await;
    house.see(".dial.on").await;
    house.keys("80a115a158p").await;
    house
        .until("document.querySelectorAll('#kept li').length === 1 && document.querySelector('.dial path[stroke-dasharray=\"3 2\"]')")
        .await;
    // Then what provokes is left out of the plan.
    house.goto(&format!("/e/{episode}/examine")).await;
    house.says("Not now").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn an_unoperated_shoulder_comes_in_and_a_stiff_one_is_read_by_its_criterion() {
    let house = House::open("stiff", 1280, 900).await;
    house.sign_in().await;
    house.click("#new-patient").await;
    house.fill("#new_given_name", "Ines").await;
    house.fill("#new_family_name", "Morandel").await;
    house.day("#new_birth", "5/5/1970").await;
    house.segment("#new_start", "By itself").await;
    house.day("#new_day0", "20 2 27").await;
    house.click("#save-patient").await;
    house.see("#flags").await;
    house
        .until("document.querySelector('#story_start .ant-segmented-item-selected')?.innerText === 'By itself'")
        .await;
    house.keys("gp").await;
    house.see("#no-pathway").await;

    house.open_patient("Benedusi").await;
    house.keys("gr").await;
    house.until("document.querySelector('[data-condition=frozen-shoulder]')?.dataset.status === 'range_only'").await;
    house.until("document.querySelector('#criteria').getBoundingClientRect().top < document.querySelector('#beams').getBoundingClientRect().top").await;
    house.click("#criteria button:nth-of-type(2)").await;
    house
        .until(
            "document.querySelector('[data-condition=frozen-shoulder]').dataset.status === 'met'",
        )
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_push_is_typed_measured_by_the_device_and_undone() {
    let house = House::open("push", 1280, 800).await;
    house.sign_in().await;
    house.open_patient("Vescolan").await;
    house.see("main h1").await;
    house.keys("gf").await;
    house.see("#push").await;
    house.keys("118\u{E007}").await;
    house
        .until("document.querySelectorAll('.trials > span').length === 1")
        .await;
    // The device pushes by itself, the trace grows while it does, and the trial is kept once.
    house.keys("d").await;
    house.until("(document.querySelector('#push svg path[stroke-width=\"2.2\"]')?.getAttribute('d') ?? '').length > 300").await;
    house.see("#measured").await;
    house
        .until("document.querySelectorAll('.trials > span').length === 2")
        .await;
    house.keys("u").await;
    house
        .until("document.querySelectorAll('.trials > span').length === 1")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_new_exercise_is_tried_out_and_the_raters_are_measured() {
    let house = House::open("tryout", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Sandoval").await;
    house.see("#log").await;
    // What was logged at home before has been tried: only what starts today is left.
    let untried = "document.querySelectorAll('#try-out [data-exercise]').length";
    let before: usize = ask(&house, untried).await.parse().expect("a number");
    assert!(
        before > 0,
        "the demo's beekeeper starts something new today"
    );
    house.click("#try-out [data-exercise] .yn").await;
    house.until(&format!("{untried} === {}", before - 1)).await;
    house.goto(&format!("/e/{episode}/home")).await;
    house.see("#untried").await;

    house.goto("/clinic/reliability").await;
    house.see("#cell-0-0").await;
    // A block as a spreadsheet copies it: four people, three raters.
    let paste = "const d=new DataTransfer();d.setData('text','120\\t130\\t112\\n90\\t99\\t84\\n150\\t161\\t140\\n101\\t113\\t96');document.querySelector('#cell-0-0').dispatchEvent(new ClipboardEvent('paste',{clipboardData:d,bubbles:true,cancelable:true}))";
    house.browser.execute(paste, vec![]).await.expect("pasted");
    house.see("#verdict").await;
    house.click("#keep-bench").await;
    house.says("From now on").await;
    let faults = house.accessibility_faults().await;
    assert!(faults.is_empty(), "{faults:#?}");
    house.close().await;
}
