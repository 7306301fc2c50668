//! Nothing typed is lost: leaving, reloading, a lapsed session, two windows, a dialog that is closed.

use fantoccini::Locator;
use ritorno_e2e::House;
use serde_json::json;

/// What a field holds.
async fn holds(house: &House, css: &str, text: &str) {
    house
        .until(&format!(
            "document.querySelector('{css}')?.value === '{text}'"
        ))
        .await;
}

/// Waits until the browser's own database holds a draft with these words in it.
async fn drafted(house: &House, words: &str) {
    let look = "const [words,done]=arguments;const o=indexedDB.open('ritorno');o.onsuccess=()=>{const r=o.result.transaction('drafts').objectStore('drafts').getAll();r.onsuccess=()=>{o.result.close();done(JSON.stringify(r.result).includes(words))}}";
    for _ in 0..400 {
        let found = house.browser.execute_async(look, vec![json!(words)]).await;
        if found.expect("looked") == json!(true) {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(25)).await;
    }
    panic!("no draft says {words}");
}

/// Waits until the browser's own database holds so many drafts.
async fn kept(house: &House, drafts: usize) {
    let count = "const done=arguments[0];const o=indexedDB.open('ritorno');o.onsuccess=()=>{const r=o.result.transaction('drafts').objectStore('drafts').count();r.onsuccess=()=>{o.result.close();done(r.result)}}";
    for _ in 0..400 {
        let found = house.browser.execute_async(count, vec![]).await;
        if found.expect("counted") == json!(drafts) {
            return;
        }
        tokio::time::sleep(std::time::Duration::from_millis(25)).await;
    }
    panic!("never {drafts} drafts");
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_typed_survives_leaving_reloading_and_closing() {
    let house = House::open("drafts", 1280, 900).await;
    house.sign_in().await;
    // A new patient: Escape closes, and everything stands there again; a click beside the dialog does nothing.
    house.click("#new-patient").await;
    house.fill("#new_given_name", "Tebaldo").await;
    house.day("#new_birth", "12 5 79").await;
    let beside = "document.querySelector('.ant-modal-wrap').dispatchEvent(new MouseEvent('click', { bubbles: true }))";
    house.value(beside).await;
    holds(&house, "#new_given_name", "Tebaldo").await;
    house
        .see("#new_given_name")
        .await
        .send_keys("\u{e00c}")
        .await
        .expect("pressed");
    house
        .until("!document.querySelector('#new_given_name')")
        .await;
    house.goto("/").await;
    house.click("#new-patient").await;
    holds(&house, "#new_given_name", "Tebaldo").await;
    holds(&house, "#new_birth", "12 May 1979").await;

    // The story, a limit and a number that is half typed, through navigation and a reload.
    let episode = house.open_patient("Falanga").await;
    let story = format!("/e/{episode}/story");
    house.goto(&story).await;
    house.fill("#story_note", "Sleeps on the other side").await;
    house.click("[data-fold=body]").await;
    house.fill("#mass-kg", "7x").await;
    house.fill("#limit-ceiling", "95").await;
    house.says("Kept in this browser since").await;
    house.keys("gv").await;
    house.see("#note").await;
    house.fill("#note", "Half a note").await;
    kept(&house, 5).await;
    house.goto(&story).await;
    holds(&house, "#story_note", "Sleeps on the other side").await;
    holds(&house, "#limit-ceiling", "95").await;
    holds(&house, "#mass-kg", "7x").await;
    house.click("#save-story").await;
    house.says("put it right first").await;
    house.fill("#mass-kg", "78").await;
    house.click("#save-story").await;
    house.until("document.querySelector('#told .save-bar .save-mark')?.dataset.state === 'saved' && document.querySelector('.save-bar').dataset.dirty === 'false'").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    holds(&house, "#note", "Half a note").await;

    // A program on the desk.
    house.goto(&format!("/e/{episode}/program")).await;
    let lines = "document.querySelectorAll('.chart-wrap .chart-line').length";
    house.see(".chart-line").await;
    let before = house.value(lines).await.as_u64().expect("a number");
    house
        .value("document.querySelector('.chart-line').dispatchEvent(new MouseEvent('click', { bubbles: true }))")
        .await;
    house.click("#remove-line").await;
    house.until(&format!("{lines} === {}", before - 1)).await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("#note").await;
    house.goto(&format!("/e/{episode}/program")).await;
    house.see("#draft").await;
    house.until(&format!("{lines} === {}", before - 1)).await;
    // Thrown away only when asked for, twice.
    house.click("#draft .discard").await;
    house.click(".ant-popconfirm .ant-btn-primary").await;
    house.until(&format!("{lines} === {before}")).await;
    house.close().await;
}

/// Words beside an entry: the page, what is pressed until the field is there, the field, and what is typed into it.
const BESIDE: [(&str, &[&str], &str, &str); 8] = [
    ("story", &[], "#story_flag_words", "asked twice"),
    ("story", &[], "#story_health_words", "new tablets"),
    ("visit", &[], "#log-remark", "carried the boat"),
    (
        "visit",
        &[".decision .plain"],
        ".decision.open .why input",
        "rather wait",
    ),
    (
        "visit",
        &["#appointment-make"],
        "#appointment-day",
        "15 Mar 2027",
    ),
    ("ranges", &[], "#remark", "stiff this morning"),
    (
        "timeline",
        &[".timeline .quiet"],
        ".timeline .why input",
        "wrong day",
    ),
    ("examine", &[], "#finding-remark", "guarded"),
];

#[tokio::test(flavor = "multi_thread")]
async fn words_beside_an_entry_are_there_again_after_a_reload() {
    let house = House::open("beside", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    for again in [false, true] {
        for (page, press, field, text) in BESIDE {
            house.goto(&format!("/e/{episode}/{page}")).await;
            for css in press {
                house.click(css).await;
            }
            if again {
                holds(&house, field, text).await;
            } else if field.ends_with("-day") {
                house.day(field, text).await;
            } else {
                house.fill(field, text).await;
            }
            if !again && !field.ends_with("-day") {
                drafted(&house, text).await;
            }
        }
        if !again {
            // Eight fields in seven places: the story keeps its words as one.
            kept(&house, BESIDE.len() - 1).await;
        }
    }
    // What is entered takes its words along, and they are kept no longer.
    house.goto(&format!("/e/{episode}/timeline")).await;
    house.click(".timeline .quiet").await;
    holds(&house, ".timeline .why input", "wrong day").await;
    house.click(".timeline .row .ant-btn-default").await;
    house.see(".timeline .taken").await;
    kept(&house, BESIDE.len() - 2).await;
    house.close().await;
}

/// Makes what is kept of today what was kept of an earlier day.
async fn as_of(house: &House, day: &str) {
    let age = "const [day,done]=arguments;const o=indexedDB.open('ritorno');o.onsuccess=()=>{const t=o.result.transaction('drafts','readwrite');const s=t.objectStore('drafts');s.getAll().onsuccess=(e)=>{for(const d of e.target.result)if(d.body?.now){d.body.now.on=day;s.put(d)}};t.oncomplete=()=>{o.result.close();done(true)}}";
    let done = house.browser.execute_async(age, vec![json!(day)]).await;
    assert_eq!(done.expect("changed"), json!(true));
}

#[tokio::test(flavor = "multi_thread")]
async fn what_another_day_left_unsent_is_offered_and_never_sent_by_itself() {
    let house = House::open("left", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let visit = format!("/e/{episode}/visit");
    let ask = ".decision:not(.quiet)";
    house.goto(&visit).await;
    house.click(&format!("{ask} .plain")).await;
    house
        .fill(&format!("{ask}.open .why input"), "not before Friday")
        .await;
    drafted(&house, "not before Friday").await;
    let scores = format!("/e/{episode}/scores");
    house.goto(&scores).await;
    house.see("#sheet .pains button").await;
    let instrument = "document.querySelector('#sheet').dataset.instrument";
    let left = house.value(instrument).await;
    house.keys("11").await;
    drafted(&house, left.as_str().expect("an instrument")).await;
    house.goto("/").await;
    as_of(&house, "2027-02-22").await;

    // The words stand there with their day, and not in the field of today.
    house.goto(&visit).await;
    house.click(&format!("{ask} .plain")).await;
    house.see(".left-before[data-on='2027-02-22']").await;
    house.says("not before Friday").await;
    let field = format!("{ask}.open .why input");
    holds(&house, &field, "").await;
    house.fill(&field, "only thought").await;
    drafted(&house, "only thought").await;
    // Folded away they are seen by nobody, and go nowhere.
    let exercise = house
        .value(&format!("document.querySelector('{ask}').dataset.exercise"))
        .await;
    house.click(&format!("{ask} .plain")).await;
    house
        .click(&format!("{ask} .decision-do .ant-btn-primary"))
        .await;
    house.see("#decide .decided-today").await;
    let page = house.get(&format!("/api/episodes/{episode}/visit")).await;
    let decided = page["decided"].as_array().cloned().unwrap_or_default();
    let answer = decided
        .iter()
        .find(|d| d["exercise"] == exercise && d["on"] == "2027-03-01")
        .expect("the answer");
    assert!(answer["reason"].as_str().unwrap_or_default().is_empty());
    drafted(&house, "only thought").await;

    // A half-filled sheet is gone on with, as today's.
    house.goto(&scores).await;
    house
        .see("#sheet .left-before[data-on='2027-02-22'] .ant-btn")
        .await;
    house.says("2 of").await;
    house.click("#sheet .left-before .ant-btn").await;
    house.until("!document.querySelector('.left-before') && [...document.querySelectorAll('.tick-cell')].slice(0, 2).every(c => c.innerText === '1')").await;

    // Words typed while the ones before them are under way are not taken for sent.
    house.goto(&visit).await;
    house.fill("#log-remark", "carried the boat").await;
    house.hold_back().await;
    house.click("#log-slip").await;
    house.fill("#log-remark", "alone this time").await;
    house.let_go().await;
    house
        .until("document.querySelector('.save-mark').dataset.state === 'saved'")
        .await;
    holds(&house, "#log-remark", "alone this time").await;
    let page = house.get(&format!("/api/episodes/{episode}/visit")).await;
    assert!(page.to_string().contains("carried the boat"));
    assert!(!page.to_string().contains("alone this time"));
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_lapsed_session_asks_over_the_page_and_the_page_stays() {
    let house = House::open("lapsed", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/story")).await;
    house.fill("#story_note", "Typed before").await;
    house.click("[data-fold=kit]").await;
    house.sql("delete from session");
    house.click("#save-story").await;
    house.says("Your session has ended").await;
    // Escape does not get around it.
    house
        .see("#password")
        .await
        .send_keys("\u{e00c}")
        .await
        .expect("pressed");
    assert_eq!(
        house
            .value("document.querySelector('#story_note').value")
            .await,
        json!("Typed before")
    );
    house.fill("#login", "demo").await;
    house.fill("#password", "molo-nove").await;
    house.click("#sign-in").await;
    house
        .until("!document.querySelector('.ant-modal-wrap:not([style*=none]) #login')")
        .await;
    holds(&house, "#story_note", "Typed before").await;
    house.click("#save-story").await;
    house
        .until("document.querySelector('#told .save-bar .save-mark')?.dataset.state === 'saved'")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn two_windows_show_both_texts_and_replace_neither() {
    let house = House::open("windows", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let visit = format!("/e/{episode}/visit");
    house.goto(&visit).await;
    house.fill("#note", "from the first window").await;
    let first = house.browser.window().await.expect("a window");
    let second = house.browser.new_window(false).await.expect("another");
    house
        .browser
        .switch_to_window(second.handle)
        .await
        .expect("there");
    house.goto(&visit).await;
    house.see("#note").await;
    house
        .says("Another open window holds a different text")
        .await;
    house.says("from the first window").await;
    holds(&house, "#note", "").await;
    house.fill("#note", "from the second").await;
    house.browser.switch_to_window(first).await.expect("back");
    house.says("from the second").await;
    holds(&house, "#note", "from the first window").await;
    // Taking the other one puts one's own aside, to be taken back.
    house.click(".other-draft .ant-btn").await;
    holds(&house, "#note", "from the second").await;
    house.see(".other-draft[data-open=false]").await;
    house.says("from the first window").await;
    let take = house
        .browser
        .find(Locator::Css(".other-draft[data-open=false] .ant-btn"))
        .await
        .expect("a key");
    take.click().await.expect("pressed");
    holds(&house, "#note", "from the first window").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_two_people_changed_is_laid_together_and_a_field_both_changed_is_asked_about() {
    let house = House::open("both", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Brera").await;
    house.goto(&format!("/e/{episode}/story")).await;
    house.fill("#story_note", "Mine").await;
    house.fill("#story_work", "bookbinder, mornings").await;
    let colleague = "const [p,done]=arguments;fetch(p).then(r=>r.json()).then(page=>{page.story.work='bookbinder, three days';page.story.mechanism='Reached for a shelf';return fetch(p,{method:'PUT',headers:{'content-type':'application/json'},body:JSON.stringify({rev:page.rev,story:page.story})})}).then(r=>done(r.status))";
    let path = json!(format!("/api/episodes/{episode}/story"));
    let status = house
        .browser
        .execute_async(colleague, vec![path.clone()])
        .await;
    assert_eq!(status.expect("sent"), json!(200));
    house.click("#save-story").await;
    house.says("Somebody changed this in the meantime").await;
    house.see(".clash[data-field=work]").await;
    house.says("bookbinder, three days").await;
    // A reload settles nothing: both values stand there again.
    house.goto(&format!("/e/{episode}/story")).await;
    house.see(".clash[data-field=work]").await;
    house.says("bookbinder, three days").await;
    holds(&house, "#story_mechanism", "Reached for a shelf").await;
    holds(&house, "#story_note", "Mine").await;
    house
        .click(".clash[data-field=work] .ant-btn:first-of-type")
        .await;
    house.click("#save-story").await;
    house
        .until("document.querySelector('#told .save-bar .save-mark')?.dataset.state === 'saved'")
        .await;
    let page = house.get(path.as_str().expect("a path")).await;
    assert_eq!(page["story"]["work"], "bookbinder, mornings");
    assert_eq!(page["story"]["mechanism"], "Reached for a shelf");
    assert_eq!(page["story"]["note"], "Mine");
    house.close().await;
}
