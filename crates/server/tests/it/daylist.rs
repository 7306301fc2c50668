//! The day list: pages that begin after a place, search, and a change of day that touches only what can change.

use super::harness::{Answer, Clinic, Session, TODAY, new_patient};
use diesel::connection::SimpleConnection;
use diesel::prelude::*;
use diesel::sql_types::{BigInt, Text};
use ritorno_store::daylist;
use serde_json::{Value, json};
use uuid::Uuid;

fn comes(s: &Session, family: &str, work: &str) {
    let mut form = new_patient();
    form["family_name"] = json!(family);
    form["story"]["work"] = json!(work);
    s.post("/api/patients", &form).ok();
}

fn page(s: &Session, query: &[(&str, &str)]) -> Value {
    ask(s, query).ok()
}

fn ask(s: &Session, query: &[(&str, &str)]) -> Answer {
    let encoded: Vec<String> = (query.iter())
        .map(|(name, value)| {
            let plain: String = (value.bytes())
                .map(|b| {
                    if b.is_ascii_alphanumeric() {
                        (b as char).to_string()
                    } else {
                        format!("%{b:02X}")
                    }
                })
                .collect();
            format!("{name}={plain}")
        })
        .collect();
    s.get(&format!("/api/day-list?{}", encoded.join("&")))
}

fn names(page: &Value) -> Vec<String> {
    let rows = page["rows"].as_array().expect("rows");
    let name = |r: &Value| r["name"].as_str().expect("a name").to_owned();
    rows.iter().map(name).collect()
}

#[test]
fn a_page_begins_after_a_place_and_loses_nobody_when_somebody_comes() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    for n in 0..53 {
        let work = if n % 2 == 0 {
            "roof tiler"
        } else {
            "pastry cook"
        };
        comes(&vera, &format!("Person{n:02}"), work);
    }
    let first = page(&vera, &[]);
    assert_eq!(names(&first).len(), 50);
    let place = first["next"].as_str().expect("there is more").to_owned();
    // Somebody who belongs on the first page comes while the second is asked for.
    comes(&vera, "Aaron", "roof tiler");
    let second = page(&vera, &[("after", &place)]);
    let mut all = names(&first);
    all.extend(names(&second));
    let expected: Vec<String> = (0..53).map(|n| format!("Nerio Person{n:02}")).collect();
    assert_eq!(all, expected, "nobody twice, nobody left out");
    assert_eq!(second["next"], Value::Null);

    let of = |search: &str| names(&page(&vera, &[("search", search)])).len();
    assert_eq!(of("tiler"), 28);
    assert_eq!(
        of("person52 TILER"),
        1,
        "each word, in any case, in name or work"
    );
    assert_eq!(of("person52 pastry"), 0);
    assert_eq!(of("%"), 0, "% is a letter to a person who types it");
    let counted: i64 = (first["counts"].as_array().expect("counts").iter())
        .map(|c| c["count"].as_i64().expect("a number"))
        .sum();
    assert_eq!(counted, 53);

    let bad = vera.get("/api/day-list?after=here");
    assert_eq!(bad.status, 422);
    assert_eq!(bad.json()["fields"][0]["field"], "after");
    // A place nobody was given: a character that the database would refuse is refused before it gets there.
    let odd = place.replace("\"Nerio\"", "\"\\u0000\"");
    assert_ne!(odd, place);
    let refused = ask(&vera, &[("after", &odd)]);
    assert_eq!(refused.status, 422);
    assert_eq!(refused.json()["fields"][0]["field"], "after");
}

#[derive(QueryableByName, Debug, PartialEq)]
struct Counted {
    #[diesel(sql_type = Text)]
    lane: String,
    #[diesel(sql_type = BigInt)]
    count: i64,
}

/// The page adds up moves between lanes; here every lane is counted.
#[test]
fn lanes_are_counted_right_while_people_move_and_the_moves_are_put_together() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let shown = || {
        let page = page(&vera, &[]);
        let counts = page["counts"].as_array().expect("counts").iter();
        let mut counts: Vec<Counted> = counts
            .map(|c| Counted {
                lane: c["lane"].as_str().expect("a lane").to_owned(),
                count: c["count"].as_i64().expect("a number"),
            })
            .collect();
        counts.sort_by(|a, b| a.lane.cmp(&b.lane));
        counts
    };
    let counted = || -> Vec<Counted> {
        let sql =
            "select lane, count(*) as count from lane group by lane order by lane collate \"C\"";
        diesel::sql_query(sql)
            .load(&mut clinic.owner())
            .expect("counted")
    };
    let episodes: Vec<String> = (0..6).map(|_| vera.rigger()).collect();
    let before = counted();
    assert_eq!(shown(), before);
    std::thread::scope(|threads| {
        for episode in &episodes[..5] {
            let vera = &vera;
            threads.spawn(move || {
                let yes = json!({ "id": Uuid::now_v7(), "flag": "infection", "answer": "yes" });
                let path = format!("/api/episodes/{episode}/flags");
                vera.post(&path, &json!({ "answers": [yes] })).ok();
            });
        }
        for _ in 0..4 {
            daylist::put_moves_together(&mut clinic.owner()).expect("put together");
        }
    });
    assert_ne!(counted(), before, "nobody moved");
    assert_eq!(shown(), counted());
    daylist::put_moves_together(&mut clinic.owner()).expect("put together");
    assert_eq!(shown(), counted());
}

#[test]
fn the_change_of_day_touches_only_lanes_that_can_change_and_says_what_is_still_to_come() {
    let clinic = Clinic::open();
    let vera = clinic.sign_in("vera");
    let episode = vera.rigger();
    vera.all_no(&episode);
    let change = |clinic: &Clinic| ritorno_server::change_day(&clinic.state).expect("changed");
    assert_eq!(change(&clinic), 0, "written to today, and today is today");

    let mut worked = 0;
    for day in [
        "2027-03-02",
        "2027-03-03",
        "2027-03-04",
        "2027-03-05",
        "2027-03-06",
    ] {
        let then = clinic.on(day);
        let leo = then.sign_in("vera");
        let due = page(&leo, &[])["behind"].as_i64().expect("a number");
        let moved = change(&then);
        assert_eq!(moved as i64, due, "{day}");
        worked += moved;
        assert_eq!(page(&leo, &[])["behind"], 0);
        let kept = page(&leo, &[])["rows"].clone();
        // The same as working everything out again.
        clinic
            .owner()
            .batch_execute("update lane set made_with = 'other knowledge'")
            .expect("forgotten");
        assert_eq!(change(&then), 1);
        assert_eq!(page(&leo, &[])["rows"], kept, "{day}");
    }
    assert!(worked < 5, "a quiet lane is not worked out every night");
    assert!(
        worked > 0,
        "a lane written to is looked at with the next day"
    );
    assert_eq!(
        page(&clinic.sign_in("vera"), &[])["rows"][0]["clock"]["day"],
        38,
        "{TODAY}"
    );
}
