//! Settings from the environment, each with what it may be.

use crate::Failure;
use chrono::NaiveDate;
use ritorno_server::{Settings, Today};

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
