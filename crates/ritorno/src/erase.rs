//! What becomes of records in the end: whose time is over, taking a record out, erasing it.

use crate::Failure;
use crate::backup::private;
use chrono::{DateTime, Months, NaiveDate, Utc};
use ritorno_store::audit::{Head, heads};
use ritorno_store::keeping::{Resting, connect, erase, patient_rows, resting};
use ritorno_store::{Actor, PatientId, PgConnection, StoreError, take_your_time, write};
use serde_json::{Map, Value, json};
use std::fmt::Write as _;
use std::io::Write as _;
use std::path::Path;

/// When the time of a record is over: so many years after the last entry.
fn over(of: &Resting, years: u32) -> Option<NaiveDate> {
    of.last?
        .date_naive()
        .checked_add_months(Months::new(12 * years))
}

/// Whose records may be erased by now, the longest first.
///
/// # Errors
/// Database failure.
pub fn retention(conn: &mut PgConnection, years: u32, today: NaiveDate) -> Result<String, Failure> {
    take_your_time(conn)?;
    let all = resting(conn)?;
    let due: Vec<String> = all
        .iter()
        .filter(|r| r.open == 0 && over(r, years).is_none_or(|at| at <= today))
        .map(|r| {
            format!(
                "{}\t{}\tborn {}\tlast entry {}",
                r.patient,
                r.name,
                r.birth,
                day(r.last)
            )
        })
        .collect();
    let kept = all.len() - due.len();
    Ok(format!(
        "{}Records are kept {years} years after the last entry (RITORNO_KEEP_YEARS). {} may be erased by now; {kept} may not.",
        due.iter()
            .fold(String::new(), |text, line| text + line + "\n"),
        due.len(),
    ))
}

fn day(at: Option<DateTime<Utc>>) -> String {
    at.map_or_else(
        || "never".to_owned(),
        |at| at.format("%Y-%m-%d").to_string(),
    )
}

/// What is asked when a record is erased.
pub struct Erasing<'a> {
    /// Whose.
    pub whose: PatientId,
    /// A new file for the certificate.
    pub certificate: &'a Path,
    /// By whose word, and why; no names of patients.
    pub words: &'a str,
    /// Whether it may be before its time: the patient asks for it, a court orders it.
    pub early: bool,
    /// Years that a record is kept.
    pub years: u32,
    /// The day in the clinic.
    pub today: NaiveDate,
}

/// Erases a record and writes a certificate of it.
///
/// # Errors
/// When there is no such patient, a shoulder is still under treatment, or its time is not over and `early` was not said; nothing is
/// erased then.
pub fn erase_record(owner_url: &str, asked: &Erasing) -> Result<String, Failure> {
    if asked.words.trim().is_empty() {
        return Err("say by whose word the record is erased, and why; nothing was erased".into());
    }
    let mut conn = connect(owner_url)?;
    take_your_time(&mut conn)?;
    let all = resting(&mut conn)?;
    let Some(of) = all.iter().find(|r| r.patient == asked.whose.0) else {
        return Err(format!("there is no patient {}; nothing was erased", asked.whose).into());
    };
    if of.open > 0 {
        return Err("a shoulder of this patient is still under treatment; end the episode first; nothing was erased".into());
    }
    if let Some(at) = over(of, asked.years).filter(|at| *at > asked.today && !asked.early) {
        return Err(format!(
            "this record is kept until {} (RITORNO_KEEP_YEARS is {}); where the law lets it go sooner, say --early; nothing was erased",
            at,
            asked.years
        )
        .into());
    }
    let actor = Actor {
        user: None,
        action: "erase",
    };
    let mut file = private(asked.certificate)?;
    let done = write(&mut conn, actor, |conn| {
        let removed = erase(conn, asked.whose, asked.words)?;
        let end = heads(conn)?.into_iter().find(|h| h.head == asked.whose.0);
        let end = end.ok_or(StoreError::NotFound("chain"))?;
        let rows = removed.iter().map(|r| (r.name.as_str(), r.removed));
        let text = certificate(asked, rows, &end);
        // On the disk before the record is gone.
        file.write_all(text.as_bytes())
            .and_then(|()| file.sync_all())
            .map_err(|error| {
                StoreError::Other(format!("the certificate cannot be written: {error}"))
            })?;
        Ok(removed.iter().map(|r| r.removed).sum::<i64>())
    });
    match done {
        Ok(rows) => Ok(format!(
            "{rows} rows of the record are erased; the certificate is {}. Backups made before hold the record until they are thrown away.",
            asked.certificate.display()
        )),
        Err(error) => {
            let _ = std::fs::remove_file(asked.certificate);
            Err(format!("{error}; nothing was erased").into())
        }
    }
}

fn certificate<'a>(
    asked: &Erasing,
    rows: impl Iterator<Item = (&'a str, i64)>,
    end: &Head,
) -> String {
    let digest: String = end.chain.iter().map(|byte| format!("{byte:02x}")).collect();
    let mut text = format!(
        "Ritorno, certificate of erasure\n\npatient   {}\nerased    {}\nby        {}\n\nrows removed, by table\n",
        asked.whose,
        Utc::now().format("%Y-%m-%d %H:%M:%S UTC"),
        asked.words.trim()
    );
    for (name, count) in rows {
        let _ = writeln!(text, "  {name:<18}{count:>8}");
    }
    let _ = write!(
        text,
        "\nWhat the audit kept of these rows is removed as well. Its chain stays, without a value of the record in it; it ends\nat place {} with the digest\n{digest}\n",
        end.seq
    );
    text
}

/// Writes one record, or all of them, as JSON: a file a patient, each row as it lies in its table, with who looked and who wrote.
///
/// # Errors
/// When there is no such patient, or a file is there already.
pub fn export(
    conn: &mut PgConnection,
    whose: Option<PatientId>,
    folder: &Path,
) -> Result<String, Failure> {
    take_your_time(conn)?;
    let all = resting(conn)?;
    let wanted: Vec<&Resting> = all
        .iter()
        .filter(|r| whose.is_none_or(|id| id.0 == r.patient))
        .collect();
    if let (Some(id), true) = (whose, wanted.is_empty()) {
        return Err(format!("there is no patient {id}; nothing was written").into());
    }
    std::fs::create_dir_all(folder).map_err(|error| format!("{}: {error}", folder.display()))?;
    for one in &wanted {
        let mut tables: Map<String, Value> = Map::new();
        for row in patient_rows(conn, PatientId(one.patient))? {
            let rows = tables.entry(row.name).or_insert_with(|| json!([]));
            if let Value::Array(rows) = rows {
                rows.push(row.body);
            }
        }
        let record = json!({ "made_at": Utc::now(), "made_by": format!("ritorno {}", env!("CARGO_PKG_VERSION")), "patient": one.patient, "tables": tables });
        let mut file = private(&folder.join(format!("{}.json", one.patient)))?;
        file.write_all(serde_json::to_string_pretty(&record)?.as_bytes())?;
        file.sync_all()?;
    }
    Ok(format!(
        "{} records are written to {}, readable by you alone. They are not sealed: keep them as you would keep paper.",
        wanted.len(),
        folder.display()
    ))
}
