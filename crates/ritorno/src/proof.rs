//! Whether the record is as it was written: `ritorno verify`, and the ends of its chains kept where the database cannot change them.

use crate::Failure;
use ritorno_server::AppState;
use ritorno_store::audit::{self, Fault, Head};
use ritorno_store::{StoreError, read, take_your_time};
use std::fmt::Write;
use std::fs;
use std::path::Path;
use uuid::Uuid;

/// Follows every chain, compares what is never changed with what the audit says was written, and the chains with ends that were kept.
///
/// # Errors
/// Lists what is not as it was written, or names the file and line that cannot be read.
pub fn verify(state: &AppState, files: &[String]) -> Result<String, Failure> {
    let mut kept = Vec::new();
    for file in files {
        kept.extend(heads_in(Path::new(file))?);
    }
    let mut conn = state.pool.get()?;
    take_your_time(&mut conn)?;
    let (looked, faults) = read(&mut conn, |conn| {
        let mut faults = audit::chain_faults(conn)?;
        faults.extend(audit::row_faults(conn)?);
        faults.extend(audit::lost_heads(conn, &kept)?);
        Ok::<_, StoreError>((audit::extent(conn)?, faults))
    })?;
    if faults.is_empty() {
        let (rows, chains, ends) = (looked.rows, looked.chains, kept.len());
        return Ok(format!(
            "The record is as it was written: {rows} rows in {chains} chains, which pass through {ends} ends that were kept."
        ));
    }
    let mut said = "the record is not as it was written:".to_owned();
    for fault in &faults {
        let _ = write!(said, "\n  {}", in_words(fault));
    }
    Err(said.into())
}

fn in_words(fault: &Fault) -> String {
    let what = match fault.what.as_str() {
        "missing" => "a row before this one is missing",
        "changed" => "this row of the audit, or the one before, was changed",
        "out of order" => "rows changed places",
        "head" => "the chain does not end where it should: rows at its end are missing or added",
        "value" => "what the audit keeps of this row was changed",
        "row changed" => "this row was changed after it was written",
        "row gone" => "this row was removed after it was written",
        "row added" => "nothing was written about this row: it was added beside the audit",
        _ => "the chain does not pass through an end that was kept",
    };
    let whose = if fault.head.is_nil() {
        "nobody's record".to_owned()
    } else {
        format!("patient {}", fault.head)
    };
    format!("{whose}, place {}: {what} {}", fault.seq, fault.row)
}

/// Writes the ends of all chains into a new file, one a line: the patient, the place, the digest.
///
/// # Errors
/// When the file is there already, or cannot be written.
pub fn anchor(state: &AppState, file: &Path) -> Result<String, Failure> {
    let mut conn = state.pool.get()?;
    take_your_time(&mut conn)?;
    let heads = audit::heads(&mut conn)?;
    let mut text = format!("# Ritorno, ends of chains, {}\n", state.today.date());
    for Head { head, seq, chain } in &heads {
        let hex: String = chain.iter().map(|byte| format!("{byte:02x}")).collect();
        let _ = writeln!(text, "{head} {seq} {hex}");
    }
    if file.exists() {
        return Err(format!("{} is there already; nothing was written", file.display()).into());
    }
    // Whole or not at all: a half-written file would say that the record is broken.
    let half = file.with_extension("half");
    fs::write(&half, text)?;
    fs::rename(&half, file)?;
    Ok(format!("{} ends kept in {}", heads.len(), file.display()))
}

/// The day's ends, once a day, into a folder that somebody else copies away.
///
/// # Errors
/// When the folder cannot be written to.
pub fn anchor_daily(state: &AppState, folder: &Path) -> Result<(), Failure> {
    let file = folder.join(format!("ends-{}.txt", state.today.date()));
    if file.exists() {
        return Ok(());
    }
    fs::create_dir_all(folder)?;
    anchor(state, &file).map(|_| ())
}

fn heads_in(file: &Path) -> Result<Vec<Head>, Failure> {
    let text = fs::read_to_string(file).map_err(|error| format!("{}: {error}", file.display()))?;
    let mut heads = Vec::new();
    for (n, line) in text.lines().enumerate() {
        if line.starts_with('#') || line.trim().is_empty() {
            continue;
        }
        let head = head_of(line).ok_or_else(|| {
            format!(
                "{}, line {}: not a patient's id, a place and a digest",
                file.display(),
                n + 1
            )
        })?;
        heads.push(head);
    }
    Ok(heads)
}

fn head_of(line: &str) -> Option<Head> {
    let mut words = line.split_whitespace();
    let head: Uuid = words.next()?.parse().ok()?;
    let seq = words.next()?.parse().ok()?;
    let hex = words.next()?;
    let chain = (0..hex.len() / 2)
        .map(|n| u8::from_str_radix(hex.get(2 * n..2 * n + 2)?, 16).ok())
        .collect::<Option<Vec<u8>>>()?;
    (chain.len() == 32).then_some(Head { head, seq, chain })
}
