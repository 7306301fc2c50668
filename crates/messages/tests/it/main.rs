//! The simulated service does what its switch says, and who asks it over HTTP tells the same apart.
#![allow(clippy::expect_used)] // a test that cannot go on says so and ends

use ritorno_core::facts::Channel;
use ritorno_messages::{Became, Message, Messages, OverHttp, Trouble, simulated};
use serde_json::{Value, json};
use std::net::TcpListener;
use std::time::Duration;
use uuid::Uuid;

/// A simulated service; answers with its address.
fn service() -> String {
    let listener = TcpListener::bind("127.0.0.1:0").expect("a port");
    let address = format!("http://{}", listener.local_addr().expect("an address"));
    std::thread::spawn(move || {
        actix_web::rt::System::new().block_on(async move {
            simulated(listener).expect("serves").await.expect("ran");
        });
    });
    address
}

fn behave(address: &str, behaviour: &str) {
    ureq::post(format!("{address}/behaviour"))
        .send_json(json!({ "behaviour": behaviour }))
        .expect("switched");
}

fn sent(address: &str) -> Vec<Value> {
    let page = ureq::get(format!("{address}/sent")).call().expect("asked");
    let told: Value = page.into_body().read_json().expect("JSON");
    assert_eq!(told["simulated"], true);
    told["sent"].as_array().expect("a list").clone()
}

fn message() -> Message {
    Message {
        key: Uuid::now_v7(),
        channel: Channel::Text,
        to: "+39 333 555 0100".to_owned(),
        words: "<b>Your clinic</b>: an appointment".to_owned(),
    }
}

#[test]
fn a_key_is_one_message_however_often_it_is_sent_and_whatever_was_heard_of_it() {
    let address = service();
    let asked = OverHttp::new(&address).patient(Duration::from_millis(200));
    let first = message();
    behave(&address, "away");
    assert_eq!(asked.send(&first), Err(Trouble::Later));
    assert_eq!(sent(&address).len(), 0, "nobody took it");
    // Taken, and nobody heard of it.
    behave(&address, "silent");
    assert_eq!(asked.send(&first), Err(Trouble::Later));
    behave(&address, "delivers");
    assert_eq!(asked.send(&first), Ok(Became::Delivered));
    assert_eq!(asked.send(&first), Ok(Became::Delivered));
    let held = sent(&address);
    assert_eq!(held.len(), 1);
    assert_eq!(held[0]["repeats"], 2);
    assert_eq!(held[0]["words"], first.words);
    behave(&address, "refuses");
    assert_eq!(asked.send(&message()), Err(Trouble::Refused));
    behave(&address, "fails");
    let lost = message();
    assert_eq!(asked.send(&lost), Ok(Became::Failed));
    behave(&address, "delays");
    let late = message();
    assert_eq!(asked.send(&late), Ok(Became::Waiting));
    assert_eq!(asked.became(late.key), Ok(Became::Waiting));
    assert_eq!(asked.became(lost.key), Ok(Became::Failed));
    assert_eq!(asked.became(Uuid::now_v7()), Err(Trouble::Refused));
    // Nobody is there at all.
    let nobody = OverHttp::new("http://127.0.0.1:1");
    assert_eq!(nobody.send(&message()), Err(Trouble::Later));
    assert_eq!(nobody.stopped(), Err(Trouble::Later));
}

#[test]
fn who_wants_no_more_is_told_until_it_was_heard() {
    let address = service();
    let asked = OverHttp::new(&address);
    let one = message();
    asked.send(&one).expect("taken");
    ureq::post(format!("{address}/messages/{}/stop", one.key))
        .send_empty()
        .expect("answered");
    let told = asked.stopped().expect("told");
    assert_eq!(told.len(), 1);
    assert_eq!(
        (told[0].channel, told[0].from.as_str()),
        (one.channel, one.to.as_str())
    );
    assert_eq!(asked.stopped().expect("told"), told, "until it was heard");
    asked.heard(told[0].id).expect("heard");
    assert_eq!(asked.stopped(), Ok(Vec::new()));
}

#[test]
fn the_page_says_that_it_is_simulated() {
    let address = service();
    let page = ureq::get(&address).call().expect("a page");
    let text = page.into_body().read_to_string().expect("text");
    assert!(text.contains("stand-in") && text.contains("Nothing leaves this machine"));
    for part in ["/page.js", "/page.css"] {
        assert!(text.contains(part));
        ureq::get(format!("{address}{part}")).call().expect(part);
    }
}
