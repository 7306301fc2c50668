//! Who may come in, from the pages: an invitation, a password of one's own, a second factor, the end of access, an idle page.

use ritorno_e2e::House;
use serde_json::json;
use totp_rs::{Builder, Secret};

const GOOD: &str = "four boats leave before the bora";

async fn sign_out(house: &House) {
    house.click("#sign-out").await;
    house.see("#login").await;
}

#[tokio::test(flavor = "multi_thread")]
async fn somebody_is_invited_comes_in_and_is_let_out() {
    let house = House::open("invited", 1280, 800).await;
    house.sign_in().await;
    house.says("Never enter a real person here").await;
    house.goto("/clinic").await;
    house.click("#invite").await;
    house.fill("#invite-name", "Mara Sepich").await;
    house.fill("#invite-login", "Mara").await;
    house.click("#invite-send").await;
    house.says("small letters, digits").await;
    // What was typed waits where a drawer was closed by mistake.
    house.goto("/clinic").await;
    house.click("#invite").await;
    house
        .until("document.querySelector('#invite-name').value === 'Mara Sepich'")
        .await;
    house.fill("#invite-login", "mara").await;
    house.click("#invite-send").await;
    house.see("#link-address").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    let link = house
        .value("document.querySelector('#link-address').value")
        .await;
    let link = link.as_str().expect("a link").to_owned();
    let path = link.find("/join#").expect("the page of links");
    house.click("#invite-done").await;
    house.says("invited, link until").await;
    sign_out(&house).await;

    house.goto(&link[path..]).await;
    house.says("Welcome, Mara Sepich").await;
    for (width, height) in [(1280, 800), (390, 844)] {
        house.resize(width, height).await;
        assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    }
    house.resize(1280, 800).await;
    house.fill("#join_password", "password12345678").await;
    house.click("#join-choose").await;
    house.says("too easy to guess").await;
    house.fill("#join_password", GOOD).await;
    house.click("#join-choose").await;
    house.says("That is kept").await;
    house.fill("#password", GOOD).await;
    house.click("#sign-in").await;
    house.says("Mara Sepich, clinician").await;
    house.goto("/clinic").await;
    house.says("A lead invites people").await;
    sign_out(&house).await;
    house.goto(&link[path..]).await;
    house.says("This link does not work").await;

    house.sign_in().await;
    house.goto("/clinic").await;
    house.click("[data-person='mara']").await;
    house.click("#person-end").await;
    house.click(".ant-popconfirm .ant-btn-primary").await;
    house.see("#person-again").await;
    house.see("[data-standing='ended']").await;
    house.goto("/").await;
    sign_out(&house).await;
    house.fill("#login", "mara").await;
    house.fill("#password", GOOD).await;
    house.click("#sign-in").await;
    house.says("Name or password is not right").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_made_password_is_changed_first_and_a_second_factor_is_taken_up() {
    let house = House::open("factor", 1280, 800).await;
    house.sql("update app_user set must_change = true where login = 'demo-colleague'");
    house.goto("/").await;
    let come = async |password: &str| {
        house.fill("#login", "demo-colleague").await;
        house.fill("#password", password).await;
        house.click("#sign-in").await;
    };
    house.see("#login").await;
    come("molo-nove").await;
    house.says("Choose your own password").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    house.goto("/library").await;
    house.says("Choose your own password").await;
    house.fill("#own_old", "molo-nove").await;
    house.fill("#own_chosen", GOOD).await;
    house.click("#password-change").await;
    house.see("#own-account").await;

    house.goto("/me").await;
    house.click("#factor-begin").await;
    house.fill("#factor_password", "molo-nove").await;
    house.click("#factor-go").await;
    house.says("this is not your password").await;
    house.fill("#factor_password", GOOD).await;
    house.click("#factor-go").await;
    house.see("#factor-secret").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    let secret = house
        .value("document.querySelector('#factor-secret').textContent.replace(/ /g, '')")
        .await;
    let secret = Secret::try_from_base32(secret.as_str().expect("a secret")).expect("letters");
    let phone = Builder::new()
        .with_secret(secret)
        .with_account_name("colleague")
        .build()
        .expect("a telephone");
    house
        .fill("#factor_code", &phone.generate_current().to_string())
        .await;
    house.click("#factor-confirm").await;
    house.see("#factor-codes li:nth-child(10)").await;
    let code = house
        .value("document.querySelector('#factor-codes li').textContent")
        .await;
    house.click("#factor-kept").await;
    house.says("10 codes are left").await;
    assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    sign_out(&house).await;
    // The telephone is lost: a code does.
    come(GOOD).await;
    house.see("#code").await;
    house.fill("#code", code.as_str().expect("a code")).await;
    house.click("#sign-in").await;
    house.see("#own-account").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_page_that_nobody_touches_asks_again_and_keeps_what_was_typed() {
    let house = House::open("idle", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.fill("#note", "Better at night").await;
    house
        .value("localStorage.setItem('ritorno-last-touch', String(Date.now() - 31 * 60000))")
        .await;
    house.says("Your session has ended").await;
    // Whoever left the screen leaves no open record on it.
    let covers = "(() => { const m = document.querySelector('.ant-modal-mask').getBoundingClientRect(); \
        const c = getComputedStyle(document.querySelector('.ant-modal-mask')).backgroundColor; \
        return m.width >= innerWidth && !/rgba\\(.*, 0?\\.\\d+\\)/.test(c) })()";
    assert_eq!(house.value(covers).await, json!(true));
    let name = "document.querySelector('.ant-modal #login').value";
    assert_eq!(house.value(name).await, json!("demo"));
    house.fill(".ant-modal #password", "molo-nove").await;
    house.click(".ant-modal #sign-in").await;
    house
        .until("!document.querySelector('.ant-modal #sign-in')")
        .await;
    house
        .until("document.querySelector('#note').value === 'Better at night'")
        .await;
    house.close().await;
}

/// A clinic that keeps everybody to their own patients: a colleague opens another's record with a reason, and a lead reads it.
#[tokio::test(flavor = "multi_thread")]
async fn anothers_record_opens_with_a_reason_that_a_lead_reads() {
    let house = House::open("shut", 1280, 800).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto("/clinic").await;
    house.click("#own-patients").await;
    house.says("Saved").await;
    sign_out(&house).await;
    house.sign_in_as("demo-colleague").await;
    house.says("Imelda Raso").await;
    house
        .until("!document.body.innerText.includes('Falanga')")
        .await;
    house.keys("/").await;
    house.fill("#find-anything", "falanga").await;
    house.says("somebody else’s patient").await;
    house.goto(&format!("/e/{episode}/visit")).await;
    house.says("Somebody else treats this patient").await;
    for (width, height) in [(1280, 800), (390, 844)] {
        house.resize(width, height).await;
        assert_eq!(house.accessibility_faults().await, Vec::<String>::new());
    }
    house.resize(1280, 800).await;
    house.fill("#shut-words", "Fell on the stairs").await;
    house.kept("Fell on the stairs").await;
    // What was typed is there again after a reload.
    house.goto(&format!("/e/{episode}/visit")).await;
    house
        .until("document.querySelector('#shut-words')?.value === 'Fell on the stairs'")
        .await;
    house.click("#open-record").await;
    house.see("#log-sheet, .visit").await;
    house.goto("/").await;
    sign_out(&house).await;
    house.sign_in().await;
    house.goto("/clinic/trail").await;
    house
        .says("opened somebody else’s record: Fell on the stairs")
        .await;
    house.close().await;
}
