//! Where a request comes from.

use crate::settings::Settings;
use actix_web::HttpRequest;
use actix_web::http::header::USER_AGENT;
use ritorno_store::session::Place;
use std::net::{IpAddr, Ipv6Addr};

/// Letters of what a browser calls itself that are kept.
const AGENT_KEPT: usize = 200;

/// Where a request comes from: its own address, or what a trusted proxy says.
pub(crate) fn place_of(req: &HttpRequest, settings: &Settings) -> Place {
    let header = |name: &str| req.headers().get(name).and_then(|v| v.to_str().ok());
    let agent = header(USER_AGENT.as_str()).unwrap_or_default();
    let agent = agent.chars().filter(|c| !c.is_control());
    let peer = req.peer_addr().map(|peer| peer.ip());
    let address = peer.map(|peer| came_from(peer, header("x-forwarded-for"), settings));
    Place {
        address: address.map(household).unwrap_or_default(),
        agent: agent.take(AGENT_KEPT).collect(),
    }
}

/// The nearest address that is no trusted proxy: what stands before it may be anybody's invention.
fn came_from(peer: IpAddr, forwarded: Option<&str>, settings: &Settings) -> IpAddr {
    let trusted = |address: &IpAddr| settings.trusted_proxies.contains(address);
    let mut from = peer;
    for said in forwarded.unwrap_or_default().rsplit(',') {
        match said.trim().parse() {
            Ok(next) if trusted(&from) => from = next,
            _ => break,
        }
    }
    from
}

/// An address as it is counted: of version 6 the half that a household shares, else somebody would have as many as they like.
fn household(address: IpAddr) -> String {
    match address.to_canonical() {
        IpAddr::V4(address) => address.to_string(),
        IpAddr::V6(address) => {
            let [a, b, c, d, ..] = address.segments();
            format!("{}/64", Ipv6Addr::new(a, b, c, d, 0, 0, 0, 0))
        }
    }
}
