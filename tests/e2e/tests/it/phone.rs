//! The patient's own page on a telephone: opened by link and birth date, a session done, the network cut, something wrong.

use ritorno_e2e::House;
use serde_json::{Value, json};

/// Nothing waits on the telephone any more.
const SENT: &str = "Object.entries(localStorage).some(([place, held]) => place.startsWith('ritorno-home-waits') && held === '[]')";

async fn network(house: &House, there: bool) {
    let conditions = json!({ "offline": !there, "latency": 0, "downloadThroughput": -1, "uploadThroughput": -1 });
    house.chromium("Network.enable", json!({})).await;
    house
        .chromium("Network.emulateNetworkConditions", conditions)
        .await;
}

/// Makes a link on *Home* and opens the door it leads to.
async fn at_the_door(house: &House, episode: &str) {
    house.goto(&format!("/e/{episode}/home")).await;
    house.click("#phone-make").await;
    house.see("#phone-picture").await;
    let address = house
        .value("document.querySelector('#phone-address').textContent")
        .await;
    let address = address.as_str().expect("an address").to_owned();
    let (_, path) = address.split_once("/h#").expect("the patient's page");
    house.goto(&format!("/h#{path}")).await;
    house.see("#door").await;
}

async fn born(house: &House, day: &str, month: &str, year: &str) {
    house.fill("#day", day).await;
    house.fill("#month", month).await;
    house.fill("#year", year).await;
    house.click("#open").await;
}

/// What the timeline tells from home, newest first.
async fn from_home(house: &House, patient: &Value) -> Vec<Value> {
    let path = format!(
        "/api/patients/{}/timeline",
        patient.as_str().expect("an id")
    );
    let told = house.get(&path).await;
    let entries = told["entries"].as_array().expect("entries").clone();
    entries
        .into_iter()
        .filter(|entry| entry["from_home"] == true)
        .collect()
}

#[tokio::test(flavor = "multi_thread")]
async fn a_patient_does_a_session_without_a_network_and_says_stop() {
    let house = House::open_with_worker("phone", 390, 844).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let row = house.get("/api/day-list?search=Falanga").await["rows"][0].clone();
    at_the_door(&house, &episode).await;
    house.says("Stop and call us, always").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    born(&house, "13", "5", "1979").await;
    house.says("We could not open this page").await;
    born(&house, "12", "5", "1979").await;

    house.says("Hello Nerio").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.says("Your limits today").await;
    for (width, height) in [(360, 640), (820, 1180), (390, 844)] {
        house.resize(width, height).await;
        house
            .until("document.documentElement.scrollWidth <= document.documentElement.clientWidth")
            .await;
    }
    let text = house.text().await;
    assert!(!text.contains('°') && !text.contains(" N "), "{text}");
    house.click("#start").await;
    house.see("#done").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.click("#done").await;
    house.click("#pain-2").await;
    house.click("#back").await;
    house.says("done once today").await;
    house.until(SENT).await;
    let told = from_home(&house, &row["patient"]).await;
    assert_eq!(told.len(), 2, "a session and what it hurt: {told:?}");

    // Without a network the page opens all the same; what is said waits on the telephone, and is sent once when there is one.
    let ready = "const done=arguments[0];navigator.serviceWorker.ready.then(r=>done(!!r.active))";
    let worker = house.browser.execute_async(ready, vec![]).await;
    assert_eq!(worker.expect("answered"), json!(true));
    house
        .until("navigator.serviceWorker.controller !== null")
        .await;
    network(&house, false).await;
    house.goto("/h").await;
    house
        .says("No network: this is what we last knew, from 1 March.")
        .await;
    house.click("#all-planned").await;
    house.says("All done for today").await;
    house.click("#slip").await;
    house.click("#slip-yes").await;
    house.says("There is no network: the clinic is told").await;
    house.goto("/h").await;
    house.says("entries wait for a network").await;
    house.says("All done for today").await;
    // A page that breaks keeps saying when to stop; what waits on the telephone is not touched.
    house
        .value("localStorage.setItem('ritorno-home-page', '{\"page\":{\"today\":\"2027-03-01\"},\"heardOn\":\"2027-03-01\"}')")
        .await;
    house.goto("/h").await;
    house.says("This page has a fault").await;
    house.says("Stop and call us, always").await;
    network(&house, true).await;
    house.goto("/h").await;
    house.says("Hello Nerio").await;
    house.until("!document.querySelector('#waits')").await;
    house.until(SENT).await;
    let told = from_home(&house, &row["patient"]).await;
    let of = |what: &str| {
        let fits = |e: &&Value| e["says"].to_string().contains(what);
        told.iter().filter(fits).count()
    };
    let exercises = house
        .value("document.querySelectorAll('.list li').length")
        .await;
    let exercises = exercises.as_u64().expect("a number") as usize;
    assert_eq!(of("slip"), 1, "{told:?}");
    assert_eq!(
        told.len(),
        3 + exercises,
        "one session, its pain, all of them, a slip: {told:?}"
    );

    // A calendar that keeps itself up to date: the address is shown, and answers nobody but who has it.
    house.click("#keep-calendar").await;
    house.see("#calendar-address[href^='webcal://']").await;
    let asked = "fetch(document.querySelector('#calendar-address').textContent, { credentials: 'omit' }).then(r => r.text()).then(t => window.calendar = t)";
    house
        .until(&format!(
            "({asked}, window.calendar?.startsWith('BEGIN:VCALENDAR'))"
        ))
        .await;

    // Something is wrong: said at once what to do, told to the clinic, and the exercises are held.
    house.click("#stop").await;
    house.see("#stop-hand-numb").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.click("#stop-hand-numb").await;
    house
        .says("Stop all exercises and call the clinic today")
        .await;
    house.says("The clinic has been told.").await;
    house.click("#stop-told button").await;
    house.says("Your exercises are paused").await;
    house.until("!document.querySelector('#start')").await;
    let row = house.get("/api/day-list?search=Falanga").await["rows"][0].clone();
    assert_eq!(row["lane"]["lane"], "something_is_wrong", "{row}");

    // The clinic ends the link: the page shuts, and keeps saying when to stop.
    house.goto(&format!("/e/{episode}/home")).await;
    house.says("Last told from home on 1 Mar 2027").await;
    house.click("#phone-end").await;
    house.click(".ant-popconfirm .ant-btn-primary").await;
    house.see("#phone-make").await;
    house.goto("/h").await;
    house.see("#door").await;
    house.says("Stop and call us, always").await;
    assert!(!house.text().await.contains("Nerio"));
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_patient_counts_along_has_a_bad_day_and_writes_to_the_clinic() {
    let house = House::open("phone_words", 390, 844).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    let row = house.get("/api/day-list?search=Falanga").await["rows"][0].clone();
    at_the_door(&house, &episode).await;
    born(&house, "12", "5", "1979").await;
    house.see("#start").await;
    // The keys lie for the other hand, and stay so.
    house.click("#hand").await;
    house.goto("/h").await;
    house.until("document.body.dataset.hand === 'left'").await;

    // Counted along: a hold of five seconds, held up and gone on with; the drawing moves once it is asked to.
    house.click("#start").await;
    house.click("#move").await;
    house
        .until("(d => d.src.includes('moving=true') && d.complete && d.naturalWidth > 0)(document.querySelector('#drawing'))")
        .await;
    house.click("#guide-start").await;
    house.says("1 of 10, round 1 of 2").await;
    house
        .until("document.querySelector('.beat strong').textContent === '4'")
        .await;
    house.click("#guide-hold").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.click("#guide-hold").await;
    house
        .until("document.querySelector('.beat strong').textContent === '3'")
        .await;
    house.click("#guide-end").await;

    // Left out, and why, in one tap.
    house.click("#skip-no_time").await;
    house.says("2 of 6").await;
    house.click("#back").await;
    house.says("left out today").await;

    // A bad day: each exercise says what to do instead, worked out from its own dose.
    house.click("#bad-day").await;
    house
        .says("Each exercise now says what to do instead")
        .await;
    house.click("#start").await;
    house.see("#easier").await;
    house.says("Bad day: 1 round of").await;
    house.click("#back").await;

    // What is typed is there after a reload; what was sent waits until somebody has read it.
    house.click("#to-write").await;
    house
        .fill(
            "#words",
            "The <img src=x onerror=alert(1)> towel slips off the table.",
        )
        .await;
    house.goto("/h").await;
    house.click("#to-write").await;
    house.says("The <img src=x").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.click("#write-send").await;
    house.says("not read yet").await;
    // What the clinic cannot take, of a day that has not come there, stays to be read.
    let ahead = "localStorage.setItem(Object.keys(localStorage).find(place => place.startsWith('ritorno-home-waits')), JSON.stringify([{ id: crypto.randomUUID(), on: '2027-03-09', kind: 'message', words: 'Written on a day to come' }]))";
    house.value(ahead).await;
    house.goto("/h").await;
    house.says("One entry could not be taken").await;
    house.click("#to-write").await;
    house.see("[data-lost]").await;
    house.says("Written on a day to come").await;
    house
        .fill("#words", "Since this morning my fingers are blue.")
        .await;
    house.click("#write-send").await;
    house.see("#asked").await;
    house.says("Call the emergency number now").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.click("#asked-seen").await;
    house.says("Since this morning my fingers are blue.").await;
    house.click("#write-back").await;
    house.says("Your exercises are paused").await;
    let told = from_home(&house, &row["patient"]).await;
    let kinds: Vec<&str> = told.iter().filter_map(|e| e["kind"].as_str()).collect();
    assert_eq!(
        kinds,
        ["home_message", "home_message", "log", "log"],
        "{told:?}"
    );

    // The clinic: named before the lanes, quoted at the visit, read in one tap; the question stands.
    house.resize(1280, 800).await;
    house.goto("/").await;
    house.see("#unread").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.click("#unread a").await;
    house.see("#from-home").await;
    house
        .says("The <img src=x onerror=alert(1)> towel slips off")
        .await;
    house
        .until("!document.querySelector('#from-home img')")
        .await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.says("left out: no time").await;
    house.click("#home-read").await;
    house.until("!document.querySelector('#from-home')").await;
    house.says("must be asked about").await;
    house.goto("/").await;
    house.see("#lane-something_is_wrong").await;
    house.until("!document.querySelector('#unread')").await;

    // What the patient sees, in a frame of its own: it shows the same, and nothing that is tapped there is told.
    house.goto(&format!("/e/{episode}/home")).await;
    house.click("#phone-preview").await;
    let inside = "document.querySelector('#phone-frame').contentDocument";
    house
        .until(&format!("{inside}?.querySelector('#paused')"))
        .await;
    let tap = |css: &str| format!("{inside}.querySelector('{css}').click()");
    house.value(&tap("#slip")).await;
    house
        .until(&format!("{inside}.querySelector('#slip-yes')"))
        .await;
    house.value(&tap("#slip-yes")).await;
    house
        .until(&format!("{inside}.querySelector('#slip-told')"))
        .await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    assert_eq!(from_home(&house, &row["patient"]).await.len(), 4);

    // When the clinic reads is set by a lead, and stands where the patient writes.
    house.goto("/clinic/defaults").await;
    for day in [1, 3, 4] {
        house.click(&format!("[data-weekday='{day}'] button")).await;
    }
    house.choose("#opening-until-2", "12:30:00").await;
    house.click("#defaults .keep-defaults").await;
    house.says("Kept.").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.goto("/h").await;
    house.click("#to-write").await;
    house
        .says("We read this Tuesday 08:00 to 12:30; Friday 08:00 to 18:00.")
        .await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn an_italian_reads_everything_in_their_own_language_and_the_stops_too() {
    let house = House::open("phone_italian", 820, 1180).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/home")).await;
    house.segment("#reads", "Italiano").await;
    house
        .until("document.querySelector('#reads .ant-segmented-item-selected').textContent === 'Italiano'")
        .await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    // It stays with the record: the story tells it too.
    house.goto(&format!("/e/{episode}/story")).await;
    house
        .until("document.querySelector('[data-fold=reads]')?.textContent.includes('Italiano')")
        .await;
    house.resize(390, 844).await;
    // Nobody knows yet who is at the door: it speaks as the telephone does.
    at_the_door(&house, &episode).await;
    house.says("Stop and call us, always").await;
    born(&house, "12", "5", "1979").await;
    house.says("Ciao Nerio").await;
    house
        .until("document.documentElement.lang === 'it-IT' && document.title === 'Il programma per la tua spalla'")
        .await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    let text = house.text().await;
    for english in ["Your limits", "Not yet", "Monday", "Stop and call", "week"] {
        assert!(!text.contains(english), "{english}: {text}");
    }
    house.click("#start").await;
    house.says("Gomito non più in alto della bocca").await;
    house.click("#stop").await;
    house.says("La mano è fredda, bianca o blu").await;
    assert_eq!(house.hard_to_reach().await, Vec::<String>::new());
    house.close().await;
}
