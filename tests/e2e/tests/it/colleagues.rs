//! From any page to anybody: finding, filtering, handing over, looking after, contacts at a distance, paper.

use ritorno_e2e::{House, PrintOrientation};

#[tokio::test(flavor = "multi_thread")]
async fn from_any_page_a_key_finds_people_pages_exercises_and_tests() {
    let house = House::open("find", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    // A discharge takes somebody off the list and not out of reach.
    house.post(
            &format!("/api/episodes/{episode}/end"),
            &serde_json::json!({ "reason": "discharged", "on": ritorno_e2e::TODAY, "words": "Works again." }),
        )
        .await;
    house.goto("/library").await;
    house.see("h1").await;
    house.keys("/").await;
    house.fill("#find-anything", "falanga ner").await;
    house.says("ended on 1 Mar 2027").await;
    house
        .see("#find-anything")
        .await
        .send_keys("\u{e007}")
        .await
        .expect("pressed");
    house
        .until(&format!("location.pathname === '/e/{episode}/timeline'"))
        .await;
    house.says("Works again.").await;
    // A test is found where there is somebody to examine; it opens there.
    house.keys("/").await;
    house.fill("#find-anything", "belly press").await;
    house.click("[data-hit='test-belly-press']").await;
    house.until("location.search === '?test=belly-press'").await;
    house.says("Belly press").await;
    for (typed, hit, path) in [
        ("wall slide", "[data-hit^='exercise-']", "/library/"),
        ("clinic", "[data-hit='place-c']", "/clinic"),
    ] {
        house.keys("/").await;
        house.fill("#find-anything", typed).await;
        house.click(hit).await;
        house
            .until(&format!("location.pathname.startsWith('{path}')"))
            .await;
    }
    house.keys("/").await;
    house.fill("#find-anything", "new patient").await;
    house.click("[data-hit='act-new-patient']").await;
    house
        .see(".ant-modal #given_name, .ant-modal [id*=given]")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_colleague_takes_over_and_looks_after_from_the_page() {
    let house = House::open("colleagues", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/handover")).await;
    house.says("Vera Dossi treats this shoulder.").await;
    house.see("#handover-if").await;
    let sheets = house.print(PrintOrientation::Portrait).await;
    let [text] = sheets.as_slice() else {
        panic!("one page: {sheets:?}")
    };
    // One page: whose, of which day, which page; and nothing that is pressed.
    let foot = text
        .lines()
        .rev()
        .find(|l| l.contains("Nerio Falanga"))
        .expect("a foot");
    assert!(
        foot.contains("(day 38) · 1 Mar 2027") && foot.trim_end().ends_with("1/1"),
        "{text}"
    );
    assert!(!text.contains("Hand over from today"), "{text}");

    house
        .choose("#handover-who", &id_of(&house, "Ines Marrubi").await)
        .await;
    house.click("#handover-keep").await;
    house.says("Ines Marrubi treats this shoulder.").await;
    house.goto("/?mine=1").await;
    house.see("#filter-mine").await;
    house.until("document.querySelector('.lane-row') && ![...document.querySelectorAll('.lane-row')].some(r => r.innerText.includes('Falanga'))").await;
    // While she is away all of hers are looked after here, that one among them.
    house.goto("/clinic/people").await;
    house
        .choose("#away", &id_of(&house, "Ines Marrubi").await)
        .await;
    house
        .choose("#covers-by", &id_of(&house, "Vera Dossi").await)
        .await;
    house.day("#cover-until", "5 3 27").await;
    house
        .fill("#cover-words", "Falanga may ask about stairs.")
        .await;
    house.click("#cover-keep").await;
    house.says("Falanga may ask about stairs.").await;
    house.goto("/?mine=1&q=falanga").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1")
        .await;
    house.close().await;
}

async fn id_of(house: &House, name: &str) -> String {
    let page = house.get("/api/people").await;
    let people = page["people"].as_array().expect("people");
    let one = people.iter().find(|p| p["name"] == name).expect("somebody");
    one["id"].as_str().expect("an id").to_owned()
}

#[tokio::test(flavor = "multi_thread")]
async fn by_telephone_the_page_says_what_stays_unknown_and_the_next_time_is_agreed() {
    let house = House::open("telephone", 820, 1180).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("[data-measure]").await;
    house.segment("#how-held", "Telephone").await;
    house.see("#at-a-distance").await;
    house.says("not by telephone").await;
    house
        .until("!document.querySelector('[data-measure], .measure-here')")
        .await;
    house.click("#appointment-make").await;
    house.day("#appointment-day", "8 3 27").await;
    house.choose("#appointment-time", "09:30").await;
    house.click("#appointment-keep").await;
    house.see("[data-appointment='2027-03-08']").await;
    // It is on the timeline, and found there by a word.
    house
        .goto(&format!("/e/{episode}/timeline?kind=contacts"))
        .await;
    house.says("Appointment on 8 Mar 2027 at 09:30").await;
    house.says("Contact by telephone").await;
    house.fill("#timeline-search", "09:30").await;
    house
        .until("document.querySelectorAll('.timeline [data-seq]').length === 1")
        .await;
    house.fill("#timeline-search", "nobody wrote this").await;
    house.says("Nothing of this kind yet.").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn the_list_is_filtered_by_its_address_and_acted_on_in_place() {
    let house = House::open("peek", 1280, 800).await;
    house.sign_in().await;
    house.see(".lane-row").await;
    house.click("#filter-open").await;
    house.choose("#filter-pathway", "frozen-shoulder").await;
    house.until("location.search.includes('pathway=frozen-shoulder') && document.querySelectorAll('.lane-row').length === 1").await;
    house.goto("/?q=falanga").await;
    house
        .until("document.querySelectorAll('.lane-row').length === 1")
        .await;
    house.click("[data-peek]").await;
    house.see("#peek #decide .decision").await;
    house.click("#peek #accept-all").await;
    house.see("#peek .decided-today").await;
    house.click(".ant-drawer-close").await;
    house.until("!document.querySelector('#peek')").await;
    house.until("location.pathname === '/'").await;
    house.goto("/?q=nobody-of-this-name").await;
    house.says("Show everybody").await;
    house.close().await;
}
