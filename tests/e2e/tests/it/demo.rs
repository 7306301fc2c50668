//! What the binary does from the console: the demo, and people who sign in.

use ritorno_e2e::Door;

#[test]
fn the_demo_is_never_loaded_beside_anybody_and_twice_only_once() {
    let door = Door::shared();
    let clinic = format!("e2e_clinic_{}", std::process::id());
    door.empty(&clinic);
    door.run(&clinic, "user add livia lead Livia Onesti")
        .expect("added");
    let refused = door.run(&clinic, "demo").expect_err("refused");
    assert!(refused.contains("only into an empty one"), "{refused}");
    let people = "select string_agg(login, ' ') from app_user";
    assert_eq!(door.sql(&clinic, people), "livia");
    assert_eq!(door.sql(&clinic, "select count(*) from patient"), "0");

    let demo = format!("e2e_twice_{}", std::process::id());
    door.empty(&demo);
    door.run(&demo, "demo").expect("loaded");
    let patients = door.sql(&demo, "select count(*) from patient");
    // Asked several times: a process that ends while its pool still opens connections may fall over at its end.
    for _ in 0..4 {
        let again = door.run(&demo, "demo").expect("left as it is");
        assert!(again.contains("there already"), "{again}");
    }
    assert_eq!(door.sql(&demo, "select count(*) from patient"), patients);
    for database in [clinic, demo] {
        door.sql(
            "postgres",
            &format!("drop database {database} with (force)"),
        );
    }
}

#[test]
fn a_clinic_of_its_own_begins_with_nobody_and_a_password_nobody_knew() {
    let door = Door::shared();
    let clinic = format!("e2e_people_{}", std::process::id());
    door.empty(&clinic);
    let nobody = door.run(&clinic, "user list").expect("listed");
    assert_eq!(nobody.trim(), "Nobody signs in yet.");
    let added = door.run(&clinic, "user add livia lead Livia Onesti");
    let added = added.expect("added");
    let password = added.trim().rsplit(' ').next().expect("a password");
    assert_eq!(password.len(), 20, "{added}");
    let kept = door.sql(&clinic, "select password_hash from app_user");
    assert!(kept.starts_with("$argon2id$") && !kept.contains(password));
    let refused = [
        ("user add livia clinician Livia Again", "login is \"livia\""),
        ("user add Li/via lead Livia", "login is \"Li/via\""),
        (
            "user add mara patient_link Mara",
            "role is \"patient_link\"",
        ),
        ("user add mara chief Mara", "role is \"chief\""),
        ("user add mara lead", "say: user list"),
        ("user end mara", "login is \"mara\""),
    ];
    for (what, says) in refused {
        let told = door.run(&clinic, what).expect_err(what);
        assert!(told.contains(says), "{told}");
    }
    let list = door.run(&clinic, "user list").expect("listed");
    assert_eq!(list.trim(), "livia\tlead\tLivia Onesti");
    let trail = "select count(*) from audit where action = 'user-add:insert'";
    assert_eq!(door.sql(&clinic, trail), "1");
    let changes = "select must_change::text from app_user";
    assert_eq!(door.sql(&clinic, changes), "true");
    let reset = door.run(&clinic, "user reset livia").expect("reset");
    assert_ne!(reset.trim().rsplit(' ').next(), Some(password));
    assert_ne!(
        door.sql(&clinic, "select password_hash from app_user"),
        kept
    );
    door.run(&clinic, "user end livia").expect("ended");
    let list = door.run(&clinic, "user list").expect("listed");
    assert_eq!(list.trim(), "livia\tlead\tLivia Onesti\tended");

    // The record proves itself, also against ends that were kept elsewhere.
    let ends = std::env::temp_dir().join(format!("{clinic}-ends.txt"));
    let kept = format!("anchor {}", ends.display());
    door.run(&clinic, &kept).expect("kept");
    let again = door.run(&clinic, &kept).expect_err("never written over");
    assert!(again.contains("there already"), "{again}");
    let verify = format!("verify {}", ends.display());
    let whole = door.run(&clinic, &verify).expect("whole");
    assert!(whole.contains("as it was written"), "{whole}");
    door.sql(
        &clinic,
        "alter table audit disable trigger all; update audit set actor = gen_random_uuid() where seq = 2",
    );
    let broken = door.run(&clinic, &verify).expect_err("found");
    assert!(broken.contains("nobody's record, place 2"), "{broken}");
    std::fs::remove_file(ends).expect("there");
    door.sql("postgres", &format!("drop database {clinic} with (force)"));
}
