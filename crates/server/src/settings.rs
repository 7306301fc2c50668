//! What whoever runs the server sets about the way to it.

use std::net::IpAddr;

/// How the server is reached.
#[derive(Debug, Clone, Default)]
pub struct Settings {
    /// What people type to get here, e.g. `https://ritorno.example`; nothing where the listening address is all there is.
    pub public_address: Option<String>,
    /// Proxies whose word on where a request comes from is taken. Anybody else's is not.
    pub trusted_proxies: Vec<IpAddr>,
}

impl Settings {
    /// Whether people come over an encrypted way: cookies then never leave it.
    pub fn encrypted(&self) -> bool {
        self.public_address
            .as_deref()
            .is_some_and(|address| address.starts_with("https://"))
    }
}
