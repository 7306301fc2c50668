//! Reminders: sent to who agreed, once, at the right hour, with nothing of the shoulder in them.

use super::harness::{Clinic, PlainPaper, Session, TODAY, new_patient};
use super::paper::with_program;
use chrono::{DateTime, Utc};
use ritorno_messages::{Became, Message, Messages, Stopped, Trouble};
use ritorno_server::remind;
use serde_json::{Value, json};
use std::collections::VecDeque;
use std::sync::{Arc, Mutex, MutexGuard};
use uuid::Uuid;

/// A service whose answers are written down beforehand; without any it delivers.
#[derive(Default)]
struct Script {
    sent: Vec<Message>,
    answers: VecDeque<Result<Became, Trouble>>,
    stopped: Vec<Stopped>,
}

#[derive(Default, Clone)]
struct Scripted(Arc<Mutex<Script>>);

impl Scripted {
    fn script(&self) -> MutexGuard<'_, Script> {
        self.0.lock().expect("one at a time")
    }

    fn answers(&self, answers: impl IntoIterator<Item = Result<Became, Trouble>>) {
        self.script().answers.extend(answers);
    }

    fn sent(&self) -> Vec<Message> {
        self.script().sent.clone()
    }

    fn next(&self) -> Result<Became, Trouble> {
        let answer = self.script().answers.pop_front();
        answer.unwrap_or(Ok(Became::Delivered))
    }
}

impl Messages for Scripted {
    fn send(&self, message: &Message) -> Result<Became, Trouble> {
        self.script().sent.push(message.clone());
        self.next()
    }

    fn became(&self, _: Uuid) -> Result<Became, Trouble> {
        self.next()
    }

    fn stopped(&self) -> Result<Vec<Stopped>, Trouble> {
        Ok(self.script().stopped.clone())
    }

    fn heard(&self, id: u64) -> Result<(), Trouble> {
        self.script().stopped.retain(|one| one.id != id);
        Ok(())
    }
}

fn clinic(service: &Scripted) -> Clinic {
    let service = Arc::new(service.clone());
    Clinic::opened(|state| {
        state
            .with_paper(Arc::new(PlainPaper::default()))
            .with_messages(service)
    })
}

/// What runs at a moment.
fn at(clinic: &Clinic, moment: &str) -> usize {
    let now: DateTime<Utc> = format!("{moment}:00Z").parse().expect("a moment");
    remind(&clinic.state, now).expect("ran")
}

const NUMBER: &str = "+39 333 555 0100";

fn wish(exercises_at: Option<&str>) -> Value {
    json!({ "channel": "text", "address": NUMBER, "appointments": true, "exercises_at": exercises_at,
        "quiet_from": "20:00:00", "quiet_until": "08:00:00" })
}

fn path(episode: &str) -> String {
    format!("/api/episodes/{episode}/reminders")
}

/// Keeps what the patient wants, after what stands.
fn agree(vera: &Session, episode: &str, reminding: &Value) {
    let rev = vera.get(&path(episode)).ok()["rev"].clone();
    let body = json!({ "rev": rev, "agreed": true, "reminding": reminding });
    vera.put(&path(episode), &body).ok();
}

fn appointment(vera: &Session, episode: &str, day: &str, time: &str) -> Uuid {
    let id = Uuid::now_v7();
    let body =
        json!({ "id": id, "on": TODAY, "day": day, "time": time, "minutes": 30, "how": "room" });
    vera.post(&format!("/api/episodes/{episode}/appointments"), &body)
        .ok();
    id
}

/// A patient whose exercises were tried out in the room.
fn with_exercises(vera: &Session) -> (String, Value) {
    let episode = with_program(vera);
    let page = vera.get(&format!("/api/episodes/{episode}/program")).ok();
    let exercise = page["chart"]["lines"][0]["line"]["exercise"].clone();
    let note = json!({ "id": Uuid::now_v7(), "on": TODAY, "kind": "try_out", "exercise": exercise, "went": "clean" });
    vera.post(&format!("/api/episodes/{episode}/exam-notes"), &note)
        .ok();
    (episode, exercise)
}

/// States of what was sent, the newest first.
fn states(vera: &Session, episode: &str) -> Vec<String> {
    let page = vera.get(&path(episode)).ok();
    let sent = page["sent"].as_array().expect("a list").iter();
    sent.map(|one| one["state"].as_str().expect("a state").to_owned())
        .collect()
}

#[test]
fn a_reminder_is_in_the_language_that_the_patient_reads() {
    let service = Scripted::default();
    let clinic = clinic(&service);
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let story = format!("/api/episodes/{episode}/story");
    let mut page = vera.get(&story).ok();
    page["story"]["reads"] = "italian".into();
    let body = json!({ "rev": page["rev"], "story": page["story"] });
    vera.put(&story, &body).ok();
    appointment(&vera, &episode, "2027-03-03", "09:30:00");
    agree(&vera, &episode, &wish(None));
    at(&clinic, "2027-03-02T09:30");
    let sent = service.sent();
    let words = &sent[0].words;
    let wanted = "hai un appuntamento mercoledì 3 marzo alle 09:30.";
    assert!(words.contains(wanted), "{words}");
    // Whoever wants no more answers with the one word that is listened to.
    assert!(words.contains("Rispondi STOP"), "{words}");
}

#[test]
fn a_reminder_is_one_message_whatever_the_service_does() {
    let service = Scripted::default();
    let clinic = clinic(&service);
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    appointment(&vera, &episode, "2027-03-03", "09:30:00");
    at(&clinic, "2027-03-02T10:00");
    assert_eq!(service.sent(), [], "nobody was asked");
    agree(&vera, &episode, &wish(None));
    at(&clinic, "2027-03-02T09:29");
    assert_eq!(service.sent(), [], "not a day before yet");
    // Away, then taken with nobody hearing of it, then on its way, then delivered.
    service.answers([
        Err(Trouble::Later),
        Err(Trouble::Later),
        Ok(Became::Waiting),
        Ok(Became::Waiting),
        Err(Trouble::Later),
        Ok(Became::Delivered),
    ]);
    let mut seen = Vec::new();
    for moment in [
        "09:30", "09:30", "09:31", "09:33", "09:34", "09:35", "11:00", "12:00",
    ] {
        at(&clinic, &format!("2027-03-02T{moment}"));
        seen.push(states(&vera, &episode).concat());
    }
    assert_eq!(
        seen,
        [
            "sending",
            "sending",
            "sending",
            "taken",
            "taken",
            "taken",
            "delivered",
            "delivered"
        ]
    );
    let sent = service.sent();
    assert_eq!(sent.len(), 3, "handed over until it was taken");
    assert!(sent.iter().all(|one| one == &sent[0]), "by the same key");
    let words = &sent[0].words;
    assert!(words.contains("Wednesday 3 March at 09:30"), "{words}");
    // Others may read it: no name, no body, no number of days.
    let form = new_patient();
    for told in ["given_name", "family_name"] {
        let name = form[told].as_str().expect("a name");
        assert!(!words.contains(name), "{words}");
    }
    assert!(!words.to_lowercase().contains("shoulder") && !words.contains('°'));
}

#[test]
fn what_is_no_longer_right_is_not_sent() {
    let service = Scripted::default();
    let clinic = clinic(&service);
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    agree(&vera, &episode, &wish(None));
    // Early appointments fall into quiet hours and wait for their end.
    let early = appointment(&vera, &episode, "2027-03-03", "06:30:00");
    let gone = appointment(&vera, &episode, "2027-03-03", "10:00:00");
    at(&clinic, "2027-03-02T07:59");
    assert_eq!(service.sent(), []);
    at(&clinic, "2027-03-02T08:00");
    assert_eq!(service.sent().len(), 1);
    let cancel = json!({ "entry": gone, "kind": "appointment", "reason": "ill" });
    vera.post(&format!("/api/episodes/{episode}/withdrawals"), &cancel)
        .ok();
    at(&clinic, "2027-03-02T10:00");
    assert_eq!(service.sent().len(), 1, "it was cancelled: {early}");
    // The service is away from the first try until the appointment has begun.
    appointment(&vera, &episode, "2027-03-04", "12:00:00");
    service.answers([Err(Trouble::Later), Err(Trouble::Later)]);
    at(&clinic, "2027-03-03T12:00");
    at(&clinic, "2027-03-03T12:05");
    at(&clinic, "2027-03-04T12:00");
    assert_eq!(states(&vera, &episode)[0], "given_up");
    assert_eq!(service.sent().len(), 3);
    // Between two tries the patient gives another number: nobody at the old one hears more.
    appointment(&vera, &episode, "2027-03-06", "12:00:00");
    service.answers([Err(Trouble::Later)]);
    at(&clinic, "2027-03-05T12:00");
    let mut moved = wish(None);
    moved["address"] = json!("+39 333 555 0199");
    agree(&vera, &episode, &moved);
    at(&clinic, "2027-03-05T12:10");
    assert_eq!(
        (states(&vera, &episode)[0].as_str(), service.sent().len()),
        ("given_up", 4)
    );
    // Refused for good, and lost on the way.
    for (day, answer, state) in [
        ("08", Err(Trouble::Refused), "refused"),
        ("10", Ok(Became::Failed), "failed"),
    ] {
        appointment(&vera, &episode, &format!("2027-03-{day}"), "12:00:00");
        service.answers([answer]);
        at(&clinic, &format!("2027-03-{day}T09:00"));
        assert_eq!(states(&vera, &episode)[0], state);
    }
    assert_eq!(at(&clinic, "2027-03-20T12:00"), 0, "nothing is left to do");
}

#[test]
fn exercises_are_asked_for_where_the_day_has_some_and_nothing_holds_them() {
    let service = Scripted::default();
    let clinic = clinic(&service);
    let vera = clinic.sign_in("vera");
    let (episode, exercise) = with_exercises(&vera);
    agree(&vera, &episode, &wish(Some("18:00:00")));
    at(&clinic, "2027-03-01T17:59");
    assert_eq!(service.sent().len(), 0);
    // Something was told already: nobody is asked again.
    let id = Uuid::now_v7();
    let done = json!({ "id": id, "on": TODAY, "exercise": exercise, "kind": "done", "sessions": 1, "repetitions": 10 });
    vera.post(&format!("/api/episodes/{episode}/log"), &done)
        .ok();
    at(&clinic, "2027-03-01T18:00");
    assert_eq!(service.sent().len(), 0);
    // Another patient of whom nothing was told is asked once.
    let (other, _) = with_exercises(&vera);
    agree(&vera, &other, &wish(Some("18:00:00")));
    at(&clinic, "2027-03-01T18:05");
    at(&clinic, "2027-03-01T19:00");
    assert_eq!(service.sent().len(), 1);
    // A third one's program is held by a question: silence, not a push to go on.
    let (third, _) = with_exercises(&vera);
    agree(&vera, &third, &wish(Some("18:30:00")));
    let raised = json!({ "answers": [{ "flag": "deformity", "answer": "yes" }] });
    vera.post(&format!("/api/episodes/{third}/flags"), &raised)
        .ok();
    at(&clinic, "2027-03-01T18:30");
    // And who agrees in the evening is not asked for what is over.
    let (fourth, _) = with_exercises(&vera);
    agree(&vera, &fourth, &wish(Some("09:00:00")));
    at(&clinic, "2027-03-01T18:31");
    assert_eq!(service.sent().len(), 1);
    // Nobody is asked for what was not tried out in the room: it does not go home.
    let untried = with_program(&vera);
    agree(&vera, &untried, &wish(Some("18:45:00")));
    at(&clinic, "2027-03-01T18:45");
    assert_eq!(service.sent().len(), 1);
}

#[test]
fn nobody_is_sent_anything_without_a_yes_and_a_no_holds_at_once() {
    let service = Scripted::default();
    let clinic = clinic(&service);
    let vera = clinic.sign_in("vera");
    let episode = with_program(&vera);
    let refused = |body: Value, field: &str| {
        let answer = vera.put(&path(&episode), &body);
        assert_eq!(answer.status, 422);
        assert_eq!(answer.json()["fields"][0]["field"], field);
    };
    refused(
        json!({ "rev": 0, "agreed": false, "reminding": wish(None) }),
        "agreed",
    );
    for wrong in ["", "call me", "12", "a@b"] {
        let mut other = wish(None);
        other["address"] = json!(wrong);
        refused(
            json!({ "rev": 0, "agreed": true, "reminding": other }),
            "reminding.address",
        );
    }
    agree(&vera, &episode, &wish(None));
    // The same once more is kept once; what somebody else has not seen is refused.
    let again = json!({ "rev": 0, "agreed": true, "reminding": wish(None) });
    assert_eq!(vera.put(&path(&episode), &again).ok()["rev"], 1);
    let mut other = again.clone();
    other["reminding"]["quiet_from"] = json!("19:00:00");
    assert_eq!(vera.put(&path(&episode), &other).status, 409);
    // STOP, answered to the service, ends it for everybody who is reached there.
    appointment(&vera, &episode, "2027-03-03", "12:00:00");
    service.script().stopped.push(Stopped {
        id: 7,
        channel: ritorno_core::facts::Channel::Text,
        from: NUMBER.to_owned(),
    });
    at(&clinic, "2027-03-02T12:30");
    assert_eq!(service.sent(), []);
    let page = vera.get(&path(&episode)).ok();
    assert_eq!(
        (&page["by_patient"], &page["reminding"]["channel"]),
        (&json!(true), &Value::Null)
    );
    assert!(service.script().stopped.is_empty(), "it was heard");
    // Agreed anew, and ended on the patient's own page.
    agree(&vera, &episode, &wish(None));
    let link = super::phone::link(&vera, &episode);
    let own = super::phone::phone(&clinic, &link);
    assert_eq!(own.get("/api/home/page").ok()["reminders"], true);
    assert_eq!(own.post("/api/home/no-reminders", &json!({})).status, 204);
    assert_eq!(own.post("/api/home/no-reminders", &json!({})).status, 204);
    assert_eq!(own.get("/api/home/page").ok()["reminders"], false);
    assert_eq!(vera.get(&path(&episode)).ok()["by_patient"], true);
    assert_eq!(
        at(&clinic, "2027-03-02T12:31"),
        0,
        "the one of that appointment was dropped"
    );
}
