//! A new patient from the first question to the first gate, in the browser, ranges by keyboard only.

use fantoccini::Locator;
use ritorno_e2e::House;

#[tokio::test(flavor = "multi_thread")]
async fn a_new_patient_from_the_first_question_to_the_first_gate() {
    let house = House::open("story", 1280, 900).await;
    house.sign_in().await;

    // A wrong entry keeps what was typed and names field and limit.
    house.click("#new-patient").await;
    house.fill("#new_given_name", "Tebaldo").await;
    house.day("#new_birth", "12 5 79").await;
    house.day("#new_day0", "22.1.27").await;
    house.fill("#new_work", "stage rigger").await;
    house.fill("#new_mechanism", "A swinging truss").await;
    house.click("#save-patient").await;
    house.says("must not be empty").await;
    assert_eq!(
        house
            .see("#new_given_name")
            .await
            .prop("value")
            .await
            .expect("a value")
            .as_deref(),
        Some("Tebaldo")
    );
    house.fill("#new_family_name", "Quarnero").await;
    house.click("#save-patient").await;

    // Story: red flags first; the surgeon's limits; clearance, health, sling.
    house.says("Not asked is not no").await;
    house.click("#all-no").await;
    house.says("all asked").await;
    house.day("#story_clearance", "22 jan 2027").await;
    house.click("#save-story").await;
    house.says("5 wk 3 d (day 38)").await;
    for (quantity, ceiling) in [("passive-elevation", "120"), ("passive-er-side", "30")] {
        house.choose("#limit-quantity", quantity).await;
        house.fill("#limit-ceiling", ceiling).await;
        house.click("#add-limit").await;
        house.says(&format!("up to {ceiling}")).await;
    }
    house.fill("#limit-ceiling", "100").await;
    house.fill("#limit-floor", "110").await;
    house.click("#add-limit").await;
    house.says("the floor 110 is above the ceiling 100").await;
    assert_eq!(
        house
            .see("#limit-floor")
            .await
            .prop("value")
            .await
            .expect("a value")
            .as_deref(),
        Some("110"),
        "the form keeps what was typed"
    );

    // A note that contradicts a "no".
    house
        .fill("#story_note", "Fell on the stairs last week")
        .await;
    house.click("#save-story").await;
    house.says("Asked about this?").await;
    // Words that are taken out again are still asked about: one key.
    house.fill("#story_note", "").await;
    house.click("#save-story").await;
    house.says("Fell on the stairs last week").await;
    house
        .click("[data-flag='deformity'] [data-passage] .ant-btn:not(.ant-btn-primary)")
        .await;
    house
        .until("!document.body.innerText.includes('Asked about this?')")
        .await;

    // Ranges: the keyboard and nothing else. Twelve keys for three measurements, the station key included.
    house.keys("gm").await;
    house.see(".dial.on").await;
    house
        .see(".dial[data-quantity='active-elevation-lying'].barred")
        .await;
    house.says("opens after 6 completed weeks (day 42)").await;
    house.keys("105s").await;
    house.says("Passive elevation, right: 105°, stiff").await;
    house.keys("24p").await;
    house
        .says("Passive external rotation at the side, right: 24°, pain")
        .await;
    house.keys("60l").await;
    house
        .says("Internal rotation to the belly, right: 60°, at the limit")
        .await;
    // Above the ceiling: seen at once, and taken back with one key.
    house
        .until("document.querySelector('.dial.on').dataset.quantity === 'passive-elevation'")
        .await;
    house.keys("131s").await;
    house.says("Stop gaining there").await;
    house.keys("u").await;
    house
        .until("!document.body.innerText.includes('stop gaining')")
        .await;
    // The other side: active elevation is free there.
    house.keys("o").await;
    house
        .until(
            "!document.querySelector('.dial[data-quantity=\"active-elevation-lying\"]').disabled",
        )
        .await;
    house.keys("170s").await;
    house.says("Passive elevation, left: 170°, stiff").await;
    house.keys("400s").await;
    house.says("Between -40 and 110").await;
    house.keys("\u{e00c}").await;

    // The first gate, overdue: signed, scored, passed with a reason.
    house.keys("gv").await;
    house.see("#gate").await;
    house.says("to Protected passive").await;
    let sign = house.see("tr[data-criterion='wound'] button").await;
    sign.click().await.expect("signed");
    // What is met makes room, and is one key away.
    house
        .until("!document.querySelector(\"tr[data-criterion='wound']\")")
        .await;
    house.click("#gate-met").await;
    house
        .see("tr[data-criterion='wound'][data-status='met']")
        .await;
    house.click("tr[data-criterion='rest-pain'] input").await;
    house
        .fill("#override-reason-rest-pain", "asked at the door: 2/10")
        .await;
    house.click("#pass-gate").await;
    house.says("to Assisted to active").await;
    house.says("Healing time cannot be overridden").await;

    // Program: proposed, edited under the live check, saved, signed.
    house.keys("gp").await;
    house.click("#build").await;
    house.see("#draft").await;
    house
        .until("document.querySelectorAll('.chart-line').length > 15")
        .await;
    house
        .click(".chart-line[aria-label*='Lying lift with the other hand']")
        .await;
    house.fill("#dose-sets", "0\t").await;
    house.says("Between 1 and 10").await;
    house.fill("#candidate", "side-lying outward").await;
    house
        .click(".ant-select-dropdown [data-value='external-rotation-side-lying-weight']")
        .await;
    house.click("#add-line").await;
    house.says("1 line is blocked by the safety check").await;
    assert!(
        house
            .see("#save-program")
            .await
            .attr("disabled")
            .await
            .expect("an attribute")
            .is_some(),
        "what is blocked cannot be saved"
    );
    house
        .says("Healing time: resisted external rotation after 12 completed weeks (day 84)")
        .await;
    house.says("cannot be overridden in the clinic").await;
    house.click("#remove-line").await;
    house
        .until("!document.querySelector('#save-program').disabled")
        .await;
    house.click("#save-program").await;
    house.says("Sign it when you agree with it").await;
    house.click("#sign-program").await;
    house.says("This version is kept as it is").await;

    // Home: the sheet and the calendar come from the signed version.
    house.keys("gh").await;
    house.see("#pdf").await;
    house.until("[...document.images].length >= 3 && [...document.images].every(i => i.complete && i.naturalWidth > 0)").await;
    let pdf = house
        .browser
        .execute_async("const done=arguments[0];fetch(document.querySelector('#pdf').href).then(r=>r.arrayBuffer()).then(b=>done(new TextDecoder('latin1').decode(b.slice(0,5))))", vec![])
        .await
        .expect("fetched");
    assert_eq!(pdf, "%PDF-");

    // Visit: the log, one tap an answer; a slip goes to the top of the day's list.
    house.keys("gv").await;
    let during = "[data-felt='pain_during 2027-03-01']";
    house.click(during).await;
    house.click("button[aria-label='Pain during 2']").await;
    house
        .until(&format!(
            "document.querySelector(\"{during}\").innerText === '2'"
        ))
        .await;
    house.click("#log-slip").await;
    house
        .fill(
            "#note",
            "Slip at night, gone by morning. Stop levels explained.",
        )
        .await;
    house.click("#sign-note").await;
    house.says("Slip at night, gone by morning.").await;
    house.goto("/").await;
    house.see("#lane-something_is_wrong").await;
    let first = house
        .browser
        .find(Locator::Css("#lane-something_is_wrong"))
        .await
        .expect("a lane")
        .text()
        .await
        .expect("text");
    assert!(
        first.contains("Tebaldo Quarnero") && first.contains("A slip was felt on day 38"),
        "{first}"
    );
    house.close().await;
}
