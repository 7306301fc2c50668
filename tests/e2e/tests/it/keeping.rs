//! Keeping a clinic's data, from the console: backups, taking a record out, erasing it, and what is wrong with an installation.

use ritorno_e2e::Door;
use std::path::PathBuf;

/// A folder and databases of one test's own, gone at its end.
struct Place {
    door: Door,
    folder: PathBuf,
    names: Vec<String>,
}

impl Place {
    fn new(name: &str) -> Place {
        let folder = std::env::temp_dir().join(format!("ritorno-{name}-{}", std::process::id()));
        std::fs::create_dir_all(&folder).expect("a folder");
        Place {
            door: Door::shared(),
            folder,
            names: Vec::new(),
        }
    }

    fn database(&mut self, name: &str) -> String {
        let name = format!("e2e_{name}_{}", std::process::id());
        self.names.push(name.clone());
        name
    }

    fn file(&self, name: &str) -> String {
        self.folder.join(name).display().to_string()
    }

    /// A certificate of a proxy that ends in so many days.
    fn certificate(&self, days: &str) -> String {
        let file = self.file(&format!("certificate-{days}.pem"));
        let (key, asked) = (self.file("key.pem"), self.file("asked.pem"));
        let new =
            "req -new -newkey rsa:2048 -nodes -subj /CN=ritorno.example -keyout KEY -out ASKED";
        let sign = "x509 -req -in ASKED -signkey KEY -days DAYS -out FILE";
        for words in [new, sign] {
            let words = words.split(' ').map(|word| match word {
                "KEY" => &key,
                "ASKED" => &asked,
                "DAYS" => days,
                "FILE" => &file,
                other => other,
            });
            let made = std::process::Command::new("openssl")
                .args(words)
                .output()
                .expect("openssl is installed");
            assert!(made.status.success(), "{made:?}");
        }
        file
    }
}

impl Drop for Place {
    fn drop(&mut self) {
        let _ = std::fs::remove_dir_all(&self.folder);
        for name in &self.names {
            self.door.sql(
                "postgres",
                &format!("drop database if exists {name} with (force)"),
            );
        }
    }
}

#[test]
fn a_backup_is_sealed_tried_out_and_restored_row_by_row() {
    let mut place = Place::new("backup");
    let (from, to) = (place.database("kept"), place.database("restored"));
    let door = place.door.clone();
    door.empty(&from);
    door.run(&from, "demo").expect("a demo");
    let (key, other, file) = (
        place.file("key"),
        place.file("other"),
        place.file("day.sealed"),
    );
    door.run(&from, &format!("backup-key {key}"))
        .expect("a key");
    door.run(&from, &format!("backup-key {other}"))
        .expect("another");
    let again = door
        .run(&from, &format!("backup-key {key}"))
        .expect_err("never written over");
    assert!(again.contains("exists"), "{again}");
    let with = |what: &str, database: &str, key: &str| {
        door.run_set(database, what, &[("RITORNO_BACKUP_KEY", key)])
    };
    let made = with(&format!("backup {file}"), &from, &key).expect("made");
    assert!(
        made.contains("restored for a trial and found the same"),
        "{made}"
    );
    let there = with(&format!("backup {file}"), &from, &key).expect_err("never written over");
    assert!(there.contains("there already"), "{there}");
    // Nothing of it can be read without the key.
    let bytes = std::fs::read(&file).expect("a file");
    assert!(!String::from_utf8_lossy(&bytes).contains("Falanga"));
    assert!(door.dump(&from).contains("Falanga"));
    let scratch = "select count(*) from pg_database where datname like 'ritorno_check_%'";
    let restore = format!("restore {file}");
    let wrong = with(&restore, &from, &key).expect_err("nothing is overwritten");
    assert!(wrong.contains("not empty"), "{wrong}");
    door.sql("postgres", &format!("create database {to}"));
    let wrong = with(&restore, &to, &other).expect_err("another key");
    assert!(wrong.contains("not sealed with this key"), "{wrong}");
    // One bit in the middle, and a file that ends too soon: told, and nothing is left of what had begun.
    for (name, bad) in [
        ("bit", flipped(&bytes)),
        ("cut", bytes[..bytes.len() - 70_000].to_vec()),
    ] {
        let bad_file = place.file(name);
        std::fs::write(&bad_file, bad).expect("written");
        let wrong = with(&format!("restore {bad_file}"), &to, &key).expect_err(name);
        assert!(wrong.contains("not whole"), "{name}: {wrong}");
        let tables = "select count(*) from pg_tables where schemaname = 'public'";
        assert_eq!(door.sql(&to, tables), "0", "{name}");
        assert!(with(&format!("check-backup {bad_file}"), &to, &key).is_err());
    }
    with(&format!("check-backup {file}"), &to, &key).expect("whole");
    with(&restore, &to, &key).expect("restored");
    assert_eq!(door.sql("postgres", scratch), "0", "trials leave nothing");
    // The same clinic: it proves itself, it serves, and the application's role may what it might.
    door.run(&to, "verify").expect("as it was written");
    assert_eq!(
        door.sql(&to, "select count(*) from patient"),
        door.sql(&from, "select count(*) from patient")
    );
    assert!(
        door.run(&to, "demo")
            .expect("left as it is")
            .contains("there already")
    );
}

fn flipped(bytes: &[u8]) -> Vec<u8> {
    let mut bytes = bytes.to_vec();
    let middle = bytes.len() / 2;
    bytes[middle] ^= 4;
    bytes
}

#[test]
fn an_erased_record_leaves_its_chain_a_certificate_and_nothing_else() {
    let mut place = Place::new("erase");
    let clinic = place.database("erased");
    let door = place.door.clone();
    door.empty(&clinic);
    door.run(&clinic, "demo").expect("a demo");
    let one = |column: &str| {
        door.sql(
            &clinic,
            &format!("select {column} from patient where family_name = 'Vescolan'"),
        )
    };
    let (whose, given) = (one("id"), one("given_name"));
    let places = format!("select count(*) from audit where head = '{whose}'");
    let before = door.sql(&clinic, &places);
    let ends = place.file("ends");
    door.run(&clinic, &format!("anchor {ends}")).expect("kept");

    // A copy to take along: everything there is, and nobody else.
    let out = place.file("out");
    door.run(&clinic, &format!("export {whose} {out}"))
        .expect("taken out");
    let text = std::fs::read_to_string(place.folder.join("out").join(format!("{whose}.json")))
        .expect("a file");
    let record: serde_json::Value = serde_json::from_str(&text).expect("JSON");
    for table in ["patient", "episode", "event", "story_text", "audit"] {
        assert!(
            record["tables"][table]
                .as_array()
                .is_some_and(|rows| !rows.is_empty()),
            "{table}"
        );
    }
    assert!(text.contains("Vescolan") && !text.contains("Falanga"));

    let certificate = place.file("certificate");
    let erase = |more: &str, file: &str, settings: &[(&str, &str)]| {
        door.run_set(&clinic, &format!("erase {whose} {file} {more}"), settings)
    };
    let said = "--early by request of the patient, letter of 2 March";
    let open = erase(said, &certificate, &[]).expect_err("under treatment");
    assert!(open.contains("still under treatment"), "{open}");
    door.sql(
        &clinic,
        &format!("update episode set closed_on = '2027-02-28' where patient_id = '{whose}'"),
    );
    let early = erase("by request", &certificate, &[]).expect_err("too early");
    assert!(early.contains("is kept until"), "{early}");
    assert!(
        !place.folder.join("certificate").exists(),
        "nothing is written about what was not done"
    );
    let due = door
        .run_set(&clinic, "retention", &[("RITORNO_KEEP_YEARS", "0")])
        .expect("listed");
    assert!(due.contains(&whose) && !due.contains("Falanga"), "{due}");
    assert!(
        !door
            .run(&clinic, "retention")
            .expect("listed")
            .contains(&whose)
    );
    // The application itself cannot, whatever it says about itself.
    let forbidden = format!(
        "set role ritorno_app; set ritorno.erasing = 'yes'; delete from event where patient_id = '{whose}'"
    );
    assert!(std::panic::catch_unwind(|| door.sql(&clinic, &forbidden)).is_err());
    let forbidden = format!("set role ritorno_app; select erase_patient('{whose}', 'x')");
    assert!(std::panic::catch_unwind(|| door.sql(&clinic, &forbidden)).is_err());
    let forbidden = format!("delete from event where patient_id = '{whose}'");
    assert!(
        std::panic::catch_unwind(|| door.sql(&clinic, &forbidden)).is_err(),
        "the owner only by the function"
    );

    erase(said, &certificate, &[]).expect("erased");
    let paper = std::fs::read_to_string(&certificate).expect("a certificate");
    assert!(
        paper.contains(&whose)
            && paper.contains("letter of 2 March")
            && !paper.contains("Vescolan"),
        "{paper}"
    );
    let rest = door.dump(&clinic);
    assert!(!rest.contains("Vescolan"), "the name is still there");
    assert!(rest.contains("Falanga"), "everybody else is");
    // The id of the patient stands in the chain, with who looked and the word it was erased by, and in no table of the record.
    let tables = door.sql(
        &clinic,
        "select string_agg(name, ' ') from tables_of_a_patient()",
    );
    for table in tables.split(' ') {
        let left = format!(
            "select count(*) from {table} t where t::text like '%{whose}%' or t::text like '%{given}%Vescolan%'"
        );
        assert_eq!(door.sql(&clinic, &left), "0", "{table}");
    }
    assert_eq!(door.sql(&clinic, &format!("select count(*) from audit_value v join audit a on a.id = v.audit_id where a.head = '{whose}' and a.table_name <> 'erasure'")), "0");
    let after: i64 = door.sql(&clinic, &places).parse().expect("a number");
    assert!(
        after > before.parse().expect("a number"),
        "each removal stands in the chain"
    );
    door.run(&clinic, &format!("verify {ends}"))
        .expect("the chain is whole, and passes through its ends");
    let gone = erase(said, &place.file("second"), &[]).expect_err("once");
    assert!(gone.contains("there is no patient"), "{gone}");
    // A row that goes without being erased is found as before.
    door.sql(&clinic, "alter table visit_note disable trigger all; delete from visit_note where id = (select id from visit_note limit 1)");
    assert!(
        door.run(&clinic, "verify")
            .expect_err("found")
            .contains("removed after it was written")
    );
}

#[test]
fn the_doctor_says_in_words_what_is_wrong() {
    let mut place = Place::new("doctor");
    let clinic = place.database("doctor");
    let door = place.door.clone();
    door.empty(&clinic);
    let folder = place.folder.display().to_string();
    std::fs::write(place.file("day.sealed"), "x").expect("written");
    let well = [
        ("RITORNO_BACKUPS", folder.as_str()),
        ("RITORNO_ANCHORS", &folder),
        ("RITORNO_DEMO", "0"),
    ];
    let told = door
        .run_set(&clinic, "doctor", &well)
        .expect("nothing is wrong");
    for says in [
        "0 wrong",
        "cannot change the audit",
        "as it was written",
        "pathways",
        "there is no lead",
        "% full",
        "newest backup is 0 hours old",
    ] {
        assert!(told.contains(says), "{says}: {told}");
    }
    let wrong = |settings: &[(&str, &str)]| {
        door.run_set(&clinic, "doctor", settings)
            .expect_err("wrong")
    };
    let empty = place.file("nowhere");
    for (settings, says) in [
        (
            &[("RITORNO_BACKUPS", empty.as_str())][..],
            "there is no backup in",
        ),
        (
            &[("RITORNO_LISTEN", "0.0.0.0:8480")],
            "a way that is not encrypted",
        ),
        (&[("RITORNO_KNOWLEDGE", "web")], "WRONG  knowledge in web"),
        (&[("RITORNO_WEB", "knowledge")], "index.html is missing"),
        (
            &[("RITORNO_TIME_ZONE", "Mars"), ("RITORNO_TODAY", "soon")],
            "not a date like",
        ),
        (
            &[("RITORNO_LISTNE", "127.0.0.1:1")],
            "there is no setting RITORNO_LISTNE",
        ),
        (
            &[("DATABASE_URL", "postgres://nobody:x@127.0.0.1:1/none")],
            "cannot be reached",
        ),
        (
            &[
                ("RITORNO_PUBLIC_ADDRESS", "https://ritorno.example"),
                ("RITORNO_CERTIFICATE", &place.certificate("-1")),
            ],
            "WRONG  the certificate ended on",
        ),
        (
            &[
                ("RITORNO_PUBLIC_ADDRESS", "https://ritorno.example"),
                ("RITORNO_CERTIFICATE", "README.md"),
            ],
            "cannot be read as one",
        ),
    ] {
        let told = wrong(settings);
        assert!(told.contains(says), "{says}: {told}");
    }
    for (days, says) in [
        ("5", "look   the certificate ends on"),
        ("90", "well   the certificate ends on"),
    ] {
        let file = place.certificate(days);
        let mut set = well.to_vec();
        set.push(("RITORNO_PUBLIC_ADDRESS", "https://ritorno.example"));
        set.push(("RITORNO_CERTIFICATE", &file));
        let told = door
            .run_set(&clinic, "doctor", &set)
            .expect("nothing is wrong");
        assert!(told.contains(says), "{says}: {told}");
    }
    door.sql(&clinic, "grant update on audit to ritorno_app");
    assert!(wrong(&[]).contains("can change the audit"));
    let told = door
        .run_set(
            &clinic,
            "config check",
            &[("RITORNO_PUBLIC_ADDRESS", "https://ritorno.example")],
        )
        .expect("read");
    assert!(
        told.contains("https://ritorno.example") && told.contains("ritorno_app:…@"),
        "{told}"
    );
    let told = door
        .run_set(&clinic, "config check", &[("RITORNO_KEEP_YEARS", "ten")])
        .expect_err("refused");
    assert!(
        told.contains("not a number of years from 0 to 150"),
        "{told}"
    );
}

/// A clinic that was run with an earlier version: brought to today's, nothing that was on record says anything else.
#[test]
fn an_earlier_database_is_brought_to_today_and_says_what_it_said() {
    let mut place = Place::new("frozen");
    let door = place.door.clone();
    let frozen = std::path::Path::new(env!("CARGO_MANIFEST_DIR")).join("../frozen");
    let files = std::fs::read_dir(frozen)
        .expect("the frozen ones")
        .flatten();
    let packed = files
        .map(|f| f.path())
        .filter(|p| p.extension().is_some_and(|e| e == "gz"));
    let mut tried = 0;
    for file in packed {
        let clinic = place.database(&format!("frozen{tried}"));
        door.load(&clinic, &file);
        // What was decided, measured, judged and signed.
        let record = |table: &str| {
            let all =
                format!("select md5(string_agg(t::text, '|' order by t::text)) from {table} t");
            door.sql(&clinic, &all)
        };
        let tables = [
            "event",
            "effect",
            "measurement",
            "verdict",
            "flag_answer",
            "surgeon_limit",
            "visit_note",
            "log_entry",
            "program_snapshot",
            "knowledge_release",
            "audit",
        ];
        let before = tables.map(record);
        assert!(
            before.iter().filter(|digest| !digest.is_empty()).count() > 8,
            "it holds a record"
        );
        let doctor = door.run(&clinic, "doctor").expect_err("too old");
        assert!(doctor.contains("run ritorno migrate"), "{doctor}");
        let told = door.run(&clinic, "migrate --tell").expect("told");
        assert!(
            told.contains("to run: 2026-11-30-000006_keeping")
                && told.contains("nothing was changed"),
            "{told}"
        );
        let told = door.run(&clinic, "migrate").expect("migrates");
        assert!(!told.contains(" 0 migrations"), "{told}");
        assert_eq!(tables.map(record), before);
        door.run(&clinic, "verify").expect("as it was written");
        let out = place.file(&format!("out{tried}"));
        door.run(&clinic, &format!("export all {out}"))
            .expect("every record can be read");
        // A newer database is left alone by an older application.
        door.sql(
            &clinic,
            "insert into __diesel_schema_migrations (version) values ('20991231000001')",
        );
        let refused = door.run(&clinic, "serve").expect_err("refused");
        assert!(refused.contains("newer than this application"), "{refused}");
        tried += 1;
    }
    assert!(tried > 0, "nothing was tried");
}
