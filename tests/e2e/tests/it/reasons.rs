//! Reasons by one key, a decision taken back, the stop list before a bad day, a pathway in doubt, a short plan.

use ritorno_e2e::House;
use serde_json::json;

#[tokio::test(flavor = "multi_thread")]
async fn a_reason_is_one_key_a_decision_is_taken_back_and_a_bad_day_asks_the_stop_list_first() {
    let house = House::open("reasons", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house
        .click(".decision[data-kind=progress_dose] button.plain")
        .await;
    house.see(".decision.open .why [data-reason]").await;
    // While no word is typed a digit is a key of the list.
    house.fill(".decision.open .why input", "1").await;
    house
        .see(".decision.open [data-reason=patient-wishes][aria-pressed=true]")
        .await;
    house
        .click(".decision.open .decision-do .ant-btn:last-child")
        .await;
    house.says("The patient wishes it").await;
    house.goto(&format!("/e/{episode}/timeline")).await;
    house.click(".timeline [data-kind='decision'] .quiet").await;
    house
        .click(".timeline [data-kind='decision'] [data-reason=typing-mistake]")
        .await;
    house
        .click(".timeline [data-kind='decision'] .row .ant-btn")
        .await;
    house.see(".timeline .taken[data-kind='decision']").await;
    // A bad day: the stop list stands there before it is one.
    house.goto(&format!("/e/{episode}/visit")).await;
    house.click("#log-flare").await;
    house.see("#flare-asks .flag-list li").await;
    house
        .fill("#log-remark", "Numb fingers since the morning")
        .await;
    house.see(".screened [data-asks='hand-numb']").await;
    house.fill("#log-remark", "Carried the boat up alone").await;
    house.click("#flare-none").await;
    house.see(".decision[data-kind=ease]").await;
    house.goto(&format!("/e/{episode}/timeline")).await;
    house.says("Carried the boat up alone").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_roof_pathway_is_challenged_in_a_stiff_shoulder_and_kept_with_a_reason() {
    let house = House::open("challenge", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Lornsund").await;
    let story = house.get(&format!("/api/episodes/{episode}/story")).await;
    let side = &story["story"]["side"];
    for (n, (quantity, value)) in [
        ("passive-er-side", 10.0),
        ("passive-elevation", 95.0),
        ("passive-er-90", 25.0),
    ]
    .into_iter()
    .enumerate()
    {
        let body = json!({ "id": format!("01900000-0000-7000-8000-00000000000{n}"), "quantity": quantity, "side": side, "value": value,
            "stop": "stiff", "by": "clinician", "on": "2027-03-01" });
        let path = format!("/api/episodes/{episode}/measurements");
        assert_eq!(house.post(&path, &body).await, 200, "{quantity}");
    }
    house.goto(&format!("/e/{episode}/read")).await;
    house.see("#challenged").await;
    house.goto(&format!("/e/{episode}/program")).await;
    house.click("#build").await;
    house.see("#problem").await;
    house
        .fill("#pathway-kept", "the loss of turning is as old as she is")
        .await;
    house.click("#pathway-kept-record").await;
    house.until("!document.querySelector('#challenge')").await;
    house.click("#build").await;
    house.see("#draft").await;
    // A short plan is asked for from the visit and proposed on arrival.
    house.goto(&format!("/e/{episode}/program?short=1")).await;
    house.see("#draft").await;
    house.until("!location.search.includes('short')").await;
    // An injection is part of the story.
    house.goto(&format!("/e/{episode}/story")).await;
    house.click("[data-fold=injections]").await;
    house.see("#injection-on").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_release_after_a_breach_excuses_nothing_and_a_measurement_inside_closes_it() {
    let house = House::open("breach", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let measure = async |value: &str| {
        house.goto(&format!("/e/{episode}/ranges")).await;
        house.see("#entry").await;
        house.fill("#remark", "after the warm-up").await;
        house.until("(document.activeElement.blur(), true)").await;
        house.keys(&format!("{value}s")).await;
        house.says(&format!("right: {value}°")).await;
    };
    measure("126").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("[data-breach='passive-elevation']").await;
    house.says("6° over the surgeon’s limit of 120°").await;
    // The surgeon lets go of the limit today: what was above it stays above it.
    house.goto(&format!("/e/{episode}/story")).await;
    house.choose("#limit-quantity", "passive-elevation").await;
    house.fill("#limit-ceiling", "140").await;
    house.click("#limit-release").await;
    house.click("#add-limit").await;
    house.says("up to 140").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("[data-breach='passive-elevation']").await;
    measure("118").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("#decide").await;
    house
        .until("!document.querySelector('[data-breach]')")
        .await;
    house.goto(&format!("/e/{episode}/timeline")).await;
    house.says("after the warm-up").await;
    house.close().await;
}
