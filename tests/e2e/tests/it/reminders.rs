//! A reminder from the patient's yes to what the simulated service was given, and the answer that ends it.

use ritorno_e2e::House;
use serde_json::json;
use uuid::Uuid;

#[tokio::test(flavor = "multi_thread")]
async fn a_reminder_is_agreed_to_sent_read_and_ended_by_an_answer() {
    let house = House::open("reminders", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    // Earlier today than any hour at which this may run, so that its reminder is due: the next day, a minute past midnight.
    let appointment = json!({ "id": Uuid::now_v7(), "on": "2027-03-01", "day": "2027-03-02", "time": "00:01:00", "minutes": 30, "how": "room" });
    let at = format!("/api/episodes/{episode}/appointments");
    house.post(&at, &appointment).await;

    house.goto(&format!("/e/{episode}/home")).await;
    house.see("#reminders").await;
    house.says("Not asked yet").await;
    house
        .segment("#reminders .ant-segmented", "text message")
        .await;
    house.fill("#remind-to", "call me").await;
    house.click("#remind-agreed").await;
    house.click("#remind-keep").await;
    house.see("#remind-to-fault").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    // Typed and not kept: there again after the page was left.
    house.fill("#remind-to", "+39 333 555 0100").await;
    house.choose("#remind-quiet-from", "08:00:00").await;
    house.kept("+39 333 555 0100").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.goto(&format!("/e/{episode}/home")).await;
    house
        .until("document.querySelector('#remind-to')?.value === '+39 333 555 0100'")
        .await;
    house.click("#remind-agreed").await;
    house.click("#remind-keep").await;
    house.until("!document.querySelector('#remind-keep')").await;

    // What the service was given is read on its own page, which says that it is simulated.
    let page = house
        .value("[...document.querySelectorAll('#reminders a')].at(-1).href")
        .await;
    house.value(&format!("location.assign({page})")).await;
    house.see("#sent li[data-became=delivered]").await;
    let text = house.text().await;
    assert!(text.contains("Nothing leaves this machine"), "{text}");
    assert!(text.contains("Text message to +39 333 555 0100"), "{text}");
    assert!(text.contains("Tuesday 2 March at 00:01"), "{text}");
    assert!(!text.contains("Falanga"), "{text}");
    house.click("#sent button").await;
    house.goto(&format!("/e/{episode}/home")).await;
    house.see("#reminders-sent li[data-state=delivered]").await;
    // The answer is heard at the next turn.
    let asked = format!(
        "fetch('/api/episodes/{episode}/reminders').then(r => r.json()).then(page => window.told = page)"
    );
    house
        .until(&format!("({asked}, window.told?.by_patient)"))
        .await;
    house.goto(&format!("/e/{episode}/home")).await;
    house.says("Ended by the patient").await;
    house.close().await;
}
