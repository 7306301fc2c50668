//! Settings from the environment, each with what it may be.

use crate::Failure;
use chrono::NaiveDate;
use ritorno_server::{Settings, Today};
use std::net::SocketAddr;

/// Everything that can be set: its name, and what it says.
pub const SETTINGS: [(&str, &str); 17] = [
    ("DATABASE_URL", "the database, as the application's role"),
    (
        "OWNER_DATABASE_URL",
        "the database, as its owner: migrate, backup, restore, erase",
    ),
    ("RITORNO_LISTEN", "address and port to listen on"),
    (
        "RITORNO_METRICS",
        "address and port that tell how the server does; for an inner network only",
    ),
    (
        "RITORNO_MESSAGES",
        "address of the gateway that delivers reminders; a demo brings a simulated one",
    ),
    ("RITORNO_PUBLIC_ADDRESS", "what people type to get here"),
    (
        "RITORNO_TRUSTED_PROXIES",
        "proxies that are believed about where a request comes from",
    ),
    (
        "RITORNO_CERTIFICATE",
        "the file with the proxy's certificate; doctor looks when it ends",
    ),
    ("RITORNO_TIME_ZONE", "the clinic's time zone"),
    (
        "RITORNO_ANCHORS",
        "a folder for the ends of the audit's chains",
    ),
    (
        "RITORNO_BACKUPS",
        "the folder that backups are put into; doctor looks at its newest file",
    ),
    ("RITORNO_BACKUP_KEY", "the file with the key of backups"),
    (
        "RITORNO_KEEP_YEARS",
        "years that a record is kept after its last entry",
    ),
    ("RITORNO_KNOWLEDGE", "where the rows of knowledge lie"),
    ("RITORNO_WEB", "where the built pages lie"),
    ("RITORNO_DEMO", "1 where this is a demo"),
    ("RITORNO_TODAY", "a fixed day, for tests"),
];
/// Names that belong to the scripts around the application.
const SCRIPTS: [&str; 2] = ["RITORNO_STATE", "RITORNO_TEST_"];

/// Settings that cannot be read, and names that nobody knows.
pub fn faults() -> Vec<String> {
    let mut out: Vec<String> = std::env::vars()
        .map(|(name, _)| name)
        .filter(|name| name.starts_with("RITORNO_"))
        .filter(|name| !SETTINGS.iter().any(|(known, _)| known == name))
        .filter(|name| !SCRIPTS.iter().any(|ours| name.starts_with(ours)))
        .map(|name| format!("there is no setting {name}"))
        .collect();
    let tried = [
        setting("DATABASE_URL", None).map(|_| ()),
        reached().map(|_| ()),
        today().map(|_| ()),
        keep_years().map(|_| ()),
        listening("RITORNO_LISTEN").map(|_| ()),
        listening("RITORNO_METRICS").map(|_| ()),
    ];
    out.extend(
        tried
            .into_iter()
            .filter_map(|done| done.err().map(|error| error.to_string())),
    );
    out
}

/// Every setting with its value, passwords left out: `ritorno config check`.
///
/// # Errors
/// When one cannot be read, or nobody knows it.
pub fn check() -> Result<String, Failure> {
    let mut text = String::new();
    for (name, says) in SETTINGS {
        let value =
            std::env::var(name).map_or_else(|_| "(not set)".to_owned(), |value| hidden(&value));
        text += &format!("{name:<24} {value}\n{:<24} {says}\n", "");
    }
    let found = faults();
    if found.is_empty() {
        Ok(format!("{text}\nAll that is set can be read."))
    } else {
        Err(format!("{text}\n{}", found.join("\n")).into())
    }
}

/// An address without the password in it.
fn hidden(value: &str) -> String {
    match (value.find("://"), value.rfind('@')) {
        (Some(from), Some(to)) if from < to => {
            let user = value[from + 3..to].split(':').next().unwrap_or_default();
            format!("{}{user}:…{}", &value[..from + 3], &value[to..])
        }
        _ => value.to_owned(),
    }
}

/// An address and a port to listen on, where they are set.
///
/// # Errors
/// Names the setting and what it should look like.
pub fn listening(name: &str) -> Result<Option<SocketAddr>, Failure> {
    let Ok(text) = std::env::var(name) else {
        return Ok(None);
    };
    let address = text.parse();
    Ok(Some(address.map_err(|_| {
        format!("{name} is {text:?}, not an address and a port like 127.0.0.1:8480")
    })?))
}

/// Years that a record is kept after its last entry. Ten where nothing is set (our choice; ask what the law says where the clinic is).
///
/// # Errors
/// Names the setting and what it should look like.
pub fn keep_years() -> Result<u32, Failure> {
    let text = setting("RITORNO_KEEP_YEARS", Some("10"))?;
    match text.parse() {
        Ok(years @ 0..=150) => Ok(years),
        _ => Err(
            format!("RITORNO_KEEP_YEARS is {text:?}, not a number of years from 0 to 150").into(),
        ),
    }
}

/// A setting, or what stands where it is not set.
///
/// # Errors
/// Names the setting that is missing.
pub fn setting(name: &str, default: Option<&str>) -> Result<String, Failure> {
    std::env::var(name)
        .ok()
        .or_else(|| default.map(str::to_owned))
        .ok_or_else(|| format!("{name} is not set; ./start sets it").into())
}

/// Where today's date comes from: a fixed day, or the clock in the clinic's time zone.
///
/// # Errors
/// Names the setting and what it should look like.
pub fn today() -> Result<Today, Failure> {
    if let Ok(text) = std::env::var("RITORNO_TODAY") {
        let date: NaiveDate = text
            .parse()
            .map_err(|_| format!("RITORNO_TODAY is {text:?}, not a date like 2027-03-01"))?;
        return Ok(Today::Fixed(date));
    }
    let zone = setting("RITORNO_TIME_ZONE", Some("Europe/Rome"))?;
    Ok(Today::Clock(zone.parse().map_err(|_| {
        format!("RITORNO_TIME_ZONE is {zone:?}, not a time zone like Europe/Rome")
    })?))
}

/// How the server is reached: what people type to get here, and which proxies are believed.
///
/// # Errors
/// Names the setting and what it should look like.
pub fn reached() -> Result<Settings, Failure> {
    let public = std::env::var("RITORNO_PUBLIC_ADDRESS").ok();
    let public = public.map(|text| text.trim_end_matches('/').to_owned());
    if let Some(text) = &public {
        let host = text
            .strip_prefix("https://")
            .or_else(|| text.strip_prefix("http://"));
        if host.is_none_or(|host| host.is_empty() || host.contains('/')) {
            return Err(format!(
                "RITORNO_PUBLIC_ADDRESS is {text:?}, not an address like https://ritorno.example"
            )
            .into());
        }
    }
    let proxies = setting("RITORNO_TRUSTED_PROXIES", Some(""))?;
    let trusted_proxies = proxies
        .split_whitespace()
        .map(|one| {
            one.parse().map_err(|_| {
                format!(
                    "RITORNO_TRUSTED_PROXIES holds {one:?}, not a network address like 10.0.0.5"
                )
            })
        })
        .collect::<Result<_, _>>()?;
    Ok(Settings {
        public_address: public,
        trusted_proxies,
    })
}
