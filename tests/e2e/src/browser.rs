//! Chromium and its driver.

use fantoccini::{Client, ClientBuilder};
use serde_json::{Value, json};
use std::time::Duration;

/// A command of Chromium's developer protocol, through its driver.
#[derive(Debug)]
pub(crate) struct Chromium(pub(crate) Value);

impl fantoccini::wd::WebDriverCompatibleCommand for Chromium {
    fn endpoint(
        &self,
        base_url: &url::Url,
        session_id: Option<&str>,
    ) -> Result<url::Url, url::ParseError> {
        let session = session_id.unwrap_or_default();
        base_url.join(&format!("session/{session}/goog/cdp/execute"))
    }

    fn method_and_body(&self, _: &url::Url) -> (http::Method, Option<String>) {
        (http::Method::POST, Some(self.0.to_string()))
    }
}

/// Processes that a process started, from whichever of its threads.
pub(crate) fn children(id: u32) -> Vec<String> {
    let threads = std::fs::read_dir(format!("/proc/{id}/task"))
        .into_iter()
        .flatten()
        .flatten();
    let lists =
        threads.filter_map(|thread| std::fs::read_to_string(thread.path().join("children")).ok());
    lists
        .flat_map(|list| {
            list.split_whitespace()
                .map(str::to_owned)
                .collect::<Vec<_>>()
        })
        .collect()
}

pub(crate) async fn connect(
    port: u16,
    profile: &std::path::Path,
    width: u32,
    height: u32,
) -> Client {
    let mut capabilities = serde_json::Map::new();
    let args: Vec<String> = "--headless=new --no-sandbox --disable-gpu --disable-quic --no-first-run --disable-background-networking --disable-component-update --disable-sync --disable-dev-shm-usage --hide-scrollbars --force-device-scale-factor=1 --lang=en-GB"
        .split(' ')
        .map(str::to_owned)
        .chain([format!("--window-size={width},{height}"), format!("--user-data-dir={}", profile.display())])
        .collect();
    capabilities.insert(
        "goog:chromeOptions".to_owned(),
        json!({ "binary": "/usr/bin/chromium", "args": args }),
    );
    let mut last = String::new();
    for _ in 0..200 {
        match ClientBuilder::new(hyper_util::client::legacy::connect::HttpConnector::new())
            .capabilities(capabilities.clone())
            .connect(&format!("http://127.0.0.1:{port}"))
            .await
        {
            Ok(client) => return client,
            Err(error) => last = error.to_string(),
        }
        tokio::time::sleep(Duration::from_millis(50)).await;
    }
    panic!("no browser: {last}");
}
