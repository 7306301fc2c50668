//! Every number that can be typed comes back as it was typed, or is refused at its field.

use ritorno_e2e::House;
use serde_json::{Value, json};

/// Notes what every page sends, and how it was answered.
const LISTEN: &str =
    "window.__said = []; const real = window.fetch; window.fetch = async (to, o) => {
    const asked = to instanceof Request ? to : undefined;
    const method = asked?.method ?? o?.method ?? 'GET';
    const body = method === 'GET' ? '' : asked ? await asked.clone().text() : String(o?.body ?? '');
    const said = { to: asked?.url ?? String(to), body };
    if (method !== 'GET') window.__said.push(said);
    const answer = await real(to, o);
    said.status = answer.status;
    return answer;
  }";

async fn listen(house: &House, path: &str) {
    house.goto(path).await;
}

/// Waits until something with `part` in it was sent and taken.
async fn took(house: &House, part: &str) {
    house
        .until(&format!(
            "window.__said.some(s => s.status === 200 && s.body.includes({}))",
            json!(part)
        ))
        .await;
}

/// Types a number that may not be kept: the field says so, and nothing else is made of it.
async fn refuses(house: &House, css: &str, text: &str) {
    house.fill(css, text).await;
    house.value("document.activeElement.blur()").await;
    house
        .until(&format!(
            "document.querySelector({0})?.getAttribute('aria-invalid') === 'true' && document.querySelector({0}).value === {1}",
            json!(css),
            json!(text)
        ))
        .await;
}

async fn shows(house: &House, css: &str, text: &str) {
    house
        .until(&format!(
            "document.querySelector({})?.value === {}",
            json!(css),
            json!(text)
        ))
        .await;
}

/// How much was sent of the patient; a figure of the load bench is not.
async fn sent(house: &House) -> u64 {
    house
        .value("window.__said.length")
        .await
        .as_u64()
        .unwrap_or(0)
}

/// Opens what is folded of the story.
async fn unfold(house: &House) {
    house.see("#save-story").await;
    for fold in ["time", "body"] {
        house.click(&format!("[data-fold={fold}]")).await;
    }
    house.see("#mass-kg").await;
}

#[tokio::test(flavor = "multi_thread")]
async fn numbers_of_the_story_and_of_limits_come_back() {
    let house = House::open("numbers", 1280, 1000).await;
    house.before_each_page(LISTEN).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let story = format!("/e/{episode}/story");
    listen(&house, &story).await;
    unfold(&house).await;
    if house.value("!document.querySelector('.task-row')").await == Value::Bool(true) {
        house.click("#add-task").await;
        house
            .fill(".task-row input:not([inputmode])", "lifting a lamp")
            .await;
    }
    let task = ".task-row input[inputmode=decimal]";
    // Field, what is typed, how it stands in the record, what it shows afterwards, what it refuses.
    let fields = [
        ("#mass-kg", "72,5", "\"mass_kg\":72.5", "72.5", "725"),
        ("#height-cm", "171", "\"height_cm\":171", "171", "171.5"),
        (
            "#minutes-per-day",
            "35",
            "\"minutes_per_day\":35",
            "35",
            "2.5",
        ),
        ("#job-load", "7,5", "\"job_load_kg\":7.5", "7.5", "-3"),
        (
            "#job-overhead",
            "2.5",
            "\"job_overhead_h\":2.5",
            "2.5",
            "25",
        ),
        (task, "6", "\"score\":6", "6", "11"),
    ];
    for (css, _, _, _, bad) in &fields {
        refuses(&house, css, bad).await;
    }
    let before = sent(&house).await;
    house.click("#save-story").await;
    house.says("put it right first").await;
    assert_eq!(sent(&house).await, before, "nothing is saved meanwhile");
    for (css, good, ..) in &fields {
        house.fill(css, good).await;
    }
    house.click("#save-story").await;
    for (_, _, part, ..) in &fields {
        took(&house, part).await;
    }
    listen(&house, &story).await;
    unfold(&house).await;
    for (css, _, _, shown, _) in &fields {
        shows(&house, css, shown).await;
    }

    refuses(&house, "#limit-ceiling", "900").await;
    refuses(&house, "#limit-floor", "abc").await;
    refuses(&house, "#limit-until", "2,5").await;
    house.fill("#limit-ceiling", "77,5").await;
    house.fill("#limit-floor", "12.5").await;
    house.fill("#limit-until", "60").await;
    house.click("#add-limit").await;
    took(&house, "\"ceiling\":77.5").await;
    took(&house, "\"floor\":12.5").await;
    took(&house, "\"until_day\":60").await;
    listen(&house, &story).await;
    house.says("77.5").await;

    // A range: the dial takes a half degree, and refuses what is no angle.
    house.goto(&format!("/e/{episode}/ranges")).await;
    house.see(".dial.on").await;
    house.keys("62,5s").await;
    took(&house, "\"value\":62.5").await;
    house.keys("400s").await;
    house.see("#typed-fault").await;
    house.keys("\u{e00c}").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn numbers_of_strength_scores_and_the_reading_come_back() {
    let house = House::open("pushes", 1280, 1000).await;
    house.before_each_page(LISTEN).await;
    house.sign_in().await;
    let episode = house.open_patient("Vescolan").await;
    house.goto(&format!("/e/{episode}/strength")).await;
    house.see("#lever").await;
    refuses(&house, "#lever", "250").await;
    house.fill("#lever", "27,5").await;
    house.value("document.activeElement.blur()").await;
    house.keys("102,5\u{E007}").await;
    took(&house, "\"peak_n\":102.5").await;
    took(&house, "\"lever_m\":0.275").await;
    let before = sent(&house).await;
    house.keys("9999\u{E007}").await;
    house.see("#typed-fault").await;
    assert_eq!(sent(&house).await, before);

    house.goto(&format!("/e/{episode}/read")).await;
    house.see("#responses input[inputmode=decimal]").await;
    house
        .fill("#responses .response > :nth-child(1)", "raising")
        .await;
    house
        .fill("#responses .response > :nth-child(2)", "taping")
        .await;
    let after = "#responses .number-field:nth-of-type(2) input";
    let first = "#responses .number-field:nth-of-type(1) input";
    refuses(&house, first, "12").await;
    house.fill(first, "6").await;
    house.fill(after, "4").await;
    house.click("#responses .response button").await;
    took(&house, "\"before\":6,\"after\":4").await;

    let pain = "#irritability input[inputmode=decimal]";
    refuses(&house, pain, "2,5").await;
    house.fill(pain, "7\u{E007}").await;
    took(&house, "\"question\":\"worst_pain\",\"value\":7").await;
    house
        .click("[data-hypothesis=subacromial-pain] .beam-row")
        .await;
    let own = ".own .number-field input";
    refuses(&house, own, "0").await;
    house.fill(own, "33,3").await;
    house.fill(".own input.w-190", "seen before").await;
    house.click(".own button").await;
    took(&house, "\"probability\":0.333").await;

    // A lag in degrees, typed on the card.
    house.goto(&format!("/e/{episode}/examine")).await;
    house.see(".exam-item").await;
    house
        .until("(() => { if (document.querySelector('#typed')) return true; const all = [...document.querySelectorAll('.exam-item')]; window.__at = (window.__at ?? -1) + 1; all[window.__at % all.length].click(); return false; })()")
        .await;
    let before = sent(&house).await;
    house.keys("990\u{E007}").await;
    house.see(".answer.faulty").await;
    assert_eq!(sent(&house).await, before);
    house.keys("\u{E003}\u{E003}\u{E003}2,5\u{E007}").await;
    took(&house, "\"value\":2.5").await;

    // An item of a questionnaire that is no single key.
    house.goto(&format!("/e/{episode}/scores")).await;
    house.see("#sheet").await;
    house
        .until("(() => { if (document.querySelector('#put-typed')) return true; const all = [...document.querySelectorAll('.score-list button')]; window.__sheet = (window.__sheet ?? -1) + 1; all[window.__sheet % all.length].click(); return false; })()")
        .await;
    house.keys("9999\u{E007}").await;
    house.see("#typed-fault").await;
    house
        .keys("\u{E003}\u{E003}\u{E003}\u{E003}7,5\u{E007}")
        .await;
    house
        .until("[...document.querySelectorAll('.tick-cell')].some(c => c.innerText === '7.5')")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn numbers_of_a_program_and_of_the_clinic_come_back() {
    let house = House::open("doses", 1280, 1000).await;
    house.before_each_page(LISTEN).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/program")).await;
    house.see(".chart-line").await;
    house
        .value("document.querySelector('.chart-line').dispatchEvent(new MouseEvent('click', { bubbles: true }))")
        .await;
    house.see("#dose-sets").await;
    let fields = [
        ("sets", ["3", "2"], "0"),
        ("repetitions", ["11", "12"], "7,5"),
        ("hold_s", ["4", "5"], "-1"),
        ("rest_s", ["45", "50"], "1e3"),
        ("times_per_day", ["2", "1"], "99"),
        ("days_per_week", ["5", "6"], "8"),
    ];
    for (field, goods, bad) in &fields {
        let css = format!("#dose-{field}");
        let now = house
            .value(&format!("document.querySelector('{css}').value"))
            .await;
        let before = sent(&house).await;
        refuses(&house, &css, bad).await;
        assert_eq!(sent(&house).await, before, "{css} {bad}");
        // Another number than the one that stands there: only a change is sent.
        let good = goods.iter().find(|g| now != **g).expect("another");
        house.fill(&css, &format!("{good}\u{E007}")).await;
        house
            .until(&format!("window.__said.some(s => s.status === 200 && s.to.endsWith('/program/check') && JSON.parse(s.body).lines.some(l => l.by_hand && l.dose.{field} === {good}))"))
            .await;
        shows(&house, &css, good).await;
    }
    refuses(&house, "#from_day", "2,5").await;
    house.fill("#from_day", "39\u{E007}").await;
    house
        .until("window.__said.some(s => s.status === 200 && s.to.endsWith('/program/check') && JSON.parse(s.body).lines.some(l => l.by_hand && l.from_day === 39))")
        .await;
    refuses(&house, "#to_day", "-4").await;
    house.fill("#to_day", "61\u{E007}").await;
    house
        .until("window.__said.some(s => s.status === 200 && s.to.endsWith('/program/check') && JSON.parse(s.body).lines.some(l => l.by_hand && l.to_day === 61))")
        .await;
    refuses(&house, "#dose-tempo", "2-x").await;
    house.fill("#dose-tempo", "2-0-3\u{E007}").await;
    took(&house, "\"tempo_s\":[2,0,3]").await;
    house.click("#what-if-open").await;
    house.see("#what-missed").await;
    refuses(&house, "#what-missed", "2,5").await;
    refuses(&house, "#what-minutes", "0").await;
    refuses(&house, "#what-ceiling", "900").await;
    house.fill("#what-missed", "14").await;
    house.fill("#what-minutes", "25").await;
    house.fill("#what-ceiling", "62,5").await;
    house.fill("#what-until", "80").await;
    house.click("#what-run").await;
    for part in [
        "\"missed_days\":14",
        "\"minutes_per_day\":25",
        "\"ceiling\":62.5",
        "\"until_day\":80",
    ] {
        took(&house, part).await;
    }

    house.goto("/clinic/elastics").await;
    house.see("#pull-0").await;
    refuses(&house, "#pull-0", "1.2.3").await;
    let length = ".points tr:nth-child(1) td:nth-child(1) input";
    refuses(&house, length, "27,5").await;
    house.fill(length, "27").await;
    house.fill("#pull-0", "7,5").await;
    house.fill("#pull-1", "12.5").await;
    house.fill("#pull-2", "16").await;
    house.fill("#pull-3", "19,5").await;
    house.click("#keep-elastic").await;
    took(&house, "{\"elongation_pct\":27,\"force_n\":7.5}").await;

    house.goto("/clinic/reliability").await;
    house.see("#cell-0-0").await;
    house.fill("#cell-0-0", "x").await;
    house
        .until("document.querySelector('#cell-0-0').getAttribute('aria-invalid') === 'true'")
        .await;
    for (i, row) in [["120,5", "118"], ["90", "93.5"], ["101", "99"]]
        .iter()
        .enumerate()
    {
        for (j, text) in row.iter().enumerate() {
            house.fill(&format!("#cell-{i}-{j}"), text).await;
        }
    }
    took(&house, "[[120.5,118],[90,93.5],[101,99]]").await;

    house
        .goto("/library/external-rotation-side-lying-weight")
        .await;
    house.see("#bench-weight_kg").await;
    refuses(&house, "#bench-weight_kg", "400").await;
    house.fill("#bench-weight_kg", "2,5").await;
    took(&house, "\"weight_kg\":2.5").await;
    house.fill("#bench-mass_kg", "72.5").await;
    took(&house, "\"mass_kg\":72.5").await;
    house.fill("#bench-height_m", "1,71").await;
    took(&house, "\"height_m\":1.71").await;
    refuses(&house, "#wanted", "900").await;
    house.fill("#wanted", "6,5").await;
    house.click("#solve-weight").await;
    took(&house, "6.5").await;
    house
        .goto("/library/external-rotation-standing-elastic")
        .await;
    house.see("#bench-distance_m").await;
    refuses(&house, "#bench-distance_m", "12").await;
    house.fill("#bench-distance_m", "1,25").await;
    took(&house, "\"distance_m\":1.25").await;

    // Weight, level and effort: the first line of a program that has one.
    for (family, field, good, bad) in [
        ("Vess", "load_kg", "1.25", "900"),
        ("Vess", "elastic_level", "2", "2,5"),
        ("Vess", "distance_m", "1.25", "9"),
        ("Falanga", "effort_pct", "25", "3"),
    ] {
        let episode = house.open_patient(family).await;
        house.goto(&format!("/e/{episode}/program")).await;
        house.see(".chart-line").await;
        let css = format!("#dose-{field}");
        house
            .until(&format!("(() => {{ if (document.querySelector('{css}')) return true; const all = [...document.querySelectorAll('.chart-line')]; window.__line = (window.__line ?? -1) + 1; all[window.__line % all.length].dispatchEvent(new MouseEvent('click', {{ bubbles: true }})); return false; }})()"))
            .await;
        refuses(&house, &css, bad).await;
        house.fill(&css, &format!("{good}\u{E007}")).await;
        house
            .until(&format!("window.__said.some(s => s.status === 200 && s.to.endsWith('/program/check') && JSON.parse(s.body).lines.some(l => l.by_hand && l.dose.{field} === {good}))"))
            .await;
    }

    // A dose of one's own, with a reason, in a decision on the visit.
    house.open_patient("Vess").await;
    house.click(".decision[data-kind=next_rung] button.plain, .decision[data-kind=progress_dose] button.plain").await;
    let own = ".own-dose .number-field:nth-of-type(2) input";
    refuses(&house, own, "2,5").await;
    house.fill(own, "9").await;
    house.fill(".decision.open .why input", "tired").await;
    house.click(".own-dose button").await;
    took(&house, "\"repetitions\":9").await;
    house.close().await;
}
