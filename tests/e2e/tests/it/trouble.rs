//! What goes wrong in the room: two people at once, a flag in mid-program, a session that has ended.

use ritorno_e2e::House;

/// Sends a request from inside the page, as a colleague on another machine would; answers with the status.
async fn colleague(house: &House, method: &str, path: &str, body: &str) -> i64 {
    let script = "const [m,p,b,done]=arguments;fetch(p,{method:m,headers:{'content-type':'application/json'},body:b||undefined}).then(r=>done(r.status))";
    let args = vec![method.into(), path.into(), body.into()];
    house
        .browser
        .execute_async(script, args)
        .await
        .expect("sent")
        .as_i64()
        .unwrap_or(0)
}

#[tokio::test(flavor = "multi_thread")]
async fn an_edit_made_meanwhile_is_not_overwritten_and_nothing_typed_is_lost() {
    let house = House::open("stale", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Brera").await;
    house.goto(&format!("/e/{episode}/story")).await;
    house.see("#story_note").await;
    let path = format!("/api/episodes/{episode}/story");
    let read = "const [p,done]=arguments;fetch(p).then(r=>r.json()).then(page=>{page.story.work='bookbinder, three days a week';done(JSON.stringify({rev:page.rev,story:page.story}))})";
    let body = house
        .browser
        .execute_async(read, vec![path.clone().into()])
        .await
        .expect("read");
    assert_eq!(
        colleague(&house, "PUT", &path, body.as_str().expect("text")).await,
        200
    );

    house
        .fill("#story_note", "Sleeps through since Thursday")
        .await;
    house.click("#save-story").await;
    house.says("Somebody changed this in the meantime").await;
    let kept = house
        .see("#story_note")
        .await
        .prop("value")
        .await
        .expect("a value");
    assert_eq!(kept.as_deref(), Some("Sleeps through since Thursday"));
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_flag_in_mid_program_pauses_it_until_an_action_is_on_record() {
    let house = House::open("flag", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    house.goto(&format!("/e/{episode}/story")).await;
    house.click("#flag-questions summary").await;
    house
        .click("#flags .flag-row [aria-label^='Fever'] .yes")
        .await;
    house.says("The program is paused").await;
    house.says("Surgical team today").await;
    let pdf = format!("/api/episodes/{episode}/handout.pdf");
    assert_eq!(
        colleague(&house, "GET", &pdf, "").await,
        422,
        "nothing goes home while a flag is open"
    );
    house.goto(&format!("/e/{episode}/home")).await;
    house.says("No exercises run today").await;
    house.goto("/").await;
    house.until("document.querySelector('#lane-something_is_wrong')?.innerText.includes('Nerio Falanga')").await;

    house.goto(&format!("/e/{episode}/story")).await;
    // A letter is no action, and without an answer it is not yet safe.
    house.fill("#act-infection", "x").await;
    house.fill("#act-infection-told", "surgeon on call").await;
    house.click("#record-infection").await;
    house.says("say what was done").await;
    house
        .fill("#act-infection", "Seen by the surgical team today.")
        .await;
    house.click("#record-infection").await;
    house
        .see("[data-flag='infection'][data-state='acted_on']")
        .await;
    house.says("The program is paused").await;
    assert_eq!(colleague(&house, "GET", &pdf, "").await, 422);
    house
        .fill("#answer-infection", "Wound dry, no fever.")
        .await;
    house.fill("#answer-infection-by", "surgical team").await;
    house.fill("#answer-infection-resumes", "everything").await;
    house.click("#close-infection").await;
    house
        .see("[data-flag='infection'][data-state='answered']")
        .await;
    house
        .until("!document.body.innerText.includes('The program is paused')")
        .await;
    // All of it stays readable.
    house.goto(&format!("/e/{episode}/timeline")).await;
    house.says("Wound dry, no fever.").await;
    house.says("acted on, surgeon on call told").await;
    assert_eq!(colleague(&house, "GET", &pdf, "").await, 200);
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn a_session_that_has_ended_asks_for_the_password_and_comes_back_to_the_page() {
    let house = House::open("session", 1280, 900).await;
    house.sign_in().await;
    let episode = house.open_patient("Falanga").await;
    assert_eq!(colleague(&house, "DELETE", "/api/session", "").await, 204);
    house.goto(&format!("/e/{episode}/visit")).await;
    house.see("#login").await;
    house.fill("#login", "demo").await;
    house.fill("#password", "wrong").await;
    house.click("#sign-in").await;
    house.says("Name or password is not right").await;
    house.fill("#password", "molo-nove").await;
    house.click("#sign-in").await;
    house.see("#gate").await;
    house.says("Nerio Falanga").await;
    house.close().await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_was_not_given_is_asked_for_and_never_assumed() {
    let house = House::open("missing", 1280, 900).await;
    house.sign_in().await;
    house.click("#new-patient").await;
    house.fill("#new_given_name", "Ines").await;
    house.fill("#new_family_name", "Morandi").await;
    house.click("#save-patient").await;
    house
        .until("document.querySelectorAll('.ant-modal .ant-form-item-has-error').length === 2")
        .await;
    let kept = house
        .see("#new_given_name")
        .await
        .prop("value")
        .await
        .expect("a value");
    assert_eq!(kept.as_deref(), Some("Ines"), "what was typed stays");
    house.goto("/").await;
    house
        .until(
            "document.querySelector('.lane-row') && !document.body.innerText.includes('Morandi')",
        )
        .await;

    let episode = house.open_patient("Brera").await;
    house.goto(&format!("/e/{episode}/story")).await;
    house.see("#add-limit").await;
    house
        .browser
        .execute(
            "window.limits = document.querySelectorAll('#limits tbody tr').length",
            vec![],
        )
        .await
        .expect("counted");
    house.click("#add-limit").await;
    house.until("document.querySelector('#limits .field.faulty')?.innerText.includes('must not be empty')").await;
    house
        .until("document.querySelectorAll('#limits tbody tr').length === window.limits")
        .await;
    house.close().await;
}
