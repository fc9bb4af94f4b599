//! Whom a request was meant for and who sent it. A page of somebody else, opened in a browser that can
//! reach this server, is not let in: neither by a name that points here (a foreign Host) nor by asking
//! across pages (a foreign Origin).

use std::any::Any;
use std::net::{IpAddr, SocketAddr};

use actix_tls::accept::rustls_0_23::TlsStream;
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{Extensions, ServiceRequest, ServiceResponse};
use actix_web::http::{Uri, header};
use actix_web::middleware::Next;
use actix_web::rt::net::TcpStream;
use actix_web::web::Data;
use actix_web::{HttpRequest, ResponseError};

use crate::access::Access;
use crate::error::{ApiError, Code};

/// The names this server answers to, besides loopback and the address it was reached at.
#[derive(Debug, Clone, Default)]
pub struct Names(Vec<String>);

impl Names {
    /// The one it listens on and those that were added, without ports.
    #[must_use]
    pub fn new(host: &str, added: &[String]) -> Self {
        let all = added.iter().map(String::as_str).chain([host]);
        let names = all.map(|name| bare(name.trim()).to_lowercase());
        Self(names.filter(|name| !name.is_empty()).collect())
    }
}

/// The address a connection came in at, and whether over TLS.
#[derive(Debug, Clone, Copy)]
struct ReachedAt(SocketAddr, bool);

/// Who is at the other end, as far as it is known.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Peer {
    /// Its address; nothing where the proxy says nothing.
    pub address: Option<IpAddr>,
    /// Whether nobody between reads along.
    pub is_secure: bool,
}

impl Peer {
    /// Of a request: by its connection, or by what a trusted proxy says last.
    #[must_use]
    pub fn of(request: &HttpRequest, access: &Access) -> Self {
        let reached = request.conn_data::<ReachedAt>();
        if !access.trust_proxy {
            return Self {
                address: request.peer_addr().map(|peer| peer.ip()),
                is_secure: reached.is_some_and(|ReachedAt(_, is_secure)| *is_secure),
            };
        }
        // What comes before the last is what the client said of itself.
        let last = |name: &str| {
            let all = request.headers().get_all(name).last()?.to_str().ok()?;
            Some(all.rsplit(',').next().unwrap_or(all).trim().to_owned())
        };
        Self {
            address: last("x-forwarded-for").and_then(|address| address.parse().ok()),
            is_secure: last("x-forwarded-proto").is_some_and(|scheme| scheme == "https"),
        }
    }
}

/// Remembers the address of every connection, for [`only_ours`].
pub fn remember(connection: &dyn Any, data: &mut Extensions) {
    let plain = connection.downcast_ref::<TcpStream>();
    let secret = connection.downcast_ref::<TlsStream<TcpStream>>();
    let stream = plain.or_else(|| secret.map(|secret| secret.get_ref().0));
    if let Some(stream) = stream
        && let Ok(address) = stream.local_addr()
    {
        data.insert(ReachedAt(address, secret.is_some()));
    }
}

/// Lets in what was meant for this server and sent by one of its own pages, or by no page at all.
///
/// # Errors
/// Those of the service behind.
pub async fn only_ours(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    if let Err(foreign) = check(&request) {
        return Ok(request.into_response(foreign.error_response()));
    }
    Ok(next.call(request).await?.map_into_boxed_body())
}

fn check(request: &ServiceRequest) -> Result<(), ApiError> {
    let said = |name| {
        let value = request.headers().get(name);
        value.map(|value| value.to_str().unwrap_or_default())
    };
    // In its absolute form, a request names the host in its first line.
    let authority = request.uri().authority().map(ToString::to_string);
    let host = match (said(header::HOST), &authority) {
        (Some(host), None) => host,
        (Some(host), Some(authority)) if host.eq_ignore_ascii_case(authority) => host,
        (None, Some(authority)) => authority,
        (host, _) => return Err(foreign_host(host.unwrap_or("none"))),
    };
    if !is_ours(request, bare(host)) {
        return Err(foreign_host(host));
    }
    // What no page of ours asked for and is not a page itself: pictures and scripts that a page of somebody else
    // loads from here have no Origin.
    let from = said(header::HeaderName::from_static("sec-fetch-site"));
    let mode = said(header::HeaderName::from_static("sec-fetch-mode"));
    let is_foreign = matches!(from, Some("cross-site" | "same-site"));
    if is_foreign && mode != Some("navigate") {
        return Err(ApiError::Foreign {
            code: Code::ForeignOrigin,
            detail: "this was asked for by a page of somebody else, not by one of this server"
                .to_owned(),
        });
    }
    match said(header::ORIGIN) {
        None => Ok(()),
        Some(origin) if is_same(origin, host) => Ok(()),
        Some(origin) => Err(ApiError::Foreign {
            code: Code::ForeignOrigin,
            detail: format!("this was sent by a page of {origin}, not by one of this server"),
        }),
    }
}

fn foreign_host(host: &str) -> ApiError {
    ApiError::Foreign {
        code: Code::ForeignHost,
        detail: format!(
            "this server does not answer to the name \"{host}\"; open it by the address it says at \
             its start, or add the name: ALLOWED_HOSTS={} ./start",
            bare(host)
        ),
    }
}

/// A name without its port; an address of version 6 without its brackets.
fn bare(host: &str) -> &str {
    match host.strip_prefix('[').and_then(|rest| rest.split_once(']')) {
        Some((address, _)) => address,
        None if host.matches(':').count() > 1 => host,
        None => host.split_once(':').map_or(host, |(name, _)| name),
    }
}

fn is_ours(request: &ServiceRequest, name: &str) -> bool {
    if name.eq_ignore_ascii_case("localhost") {
        return true;
    }
    if let Ok(address) = name.parse::<IpAddr>() {
        let reached = request.conn_data::<ReachedAt>();
        let reached = reached.is_some_and(|ReachedAt(at, _)| at.ip().to_canonical() == address);
        // Listening everywhere is no name of its own.
        if address.is_loopback() || (reached && !address.is_unspecified()) {
            return true;
        }
    }
    let names = request.app_data::<Data<Names>>();
    let name = name.to_lowercase();
    let unspecified = name.parse::<IpAddr>().is_ok_and(|ip| ip.is_unspecified());
    !unspecified && names.is_some_and(|names| names.0.contains(&name))
}

/// Whether a page's origin is this very server, as it was asked for.
fn is_same(origin: &str, host: &str) -> bool {
    let Ok(origin) = origin.parse::<Uri>() else {
        return false;
    };
    let web = matches!(origin.scheme_str(), Some("http" | "https"));
    let authority = origin.authority().map(|authority| authority.as_str());
    web && authority.is_some_and(|authority| authority.eq_ignore_ascii_case(host))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn ports_and_brackets_are_not_part_of_a_name() {
        for (host, name) in [
            ("localhost:8080", "localhost"),
            ("127.0.0.1", "127.0.0.1"),
            ("[::1]:8080", "::1"),
            ("::1", "::1"),
            ("kitchen.local", "kitchen.local"),
        ] {
            assert_eq!(bare(host), name);
        }
    }

    #[test]
    fn an_origin_is_this_server_only_with_its_port() {
        assert!(is_same("http://localhost:8080", "localhost:8080"));
        assert!(is_same("https://Kitchen.local", "kitchen.local"));
        for origin in [
            "http://localhost:3000",
            "http://evil.example",
            "null",
            "file://localhost:8080",
            "http://localhost:8080.evil.example",
        ] {
            assert!(!is_same(origin, "localhost:8080"), "{origin}");
        }
    }
}
