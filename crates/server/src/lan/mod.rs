//! Opening this kitchen on a phone: what works only at a secure origin (the screen held awake, notifications,
//! going on without a network) needs TLS, and TLS in a home needs a certificate of this machine's own.

mod authority;
mod names;
mod setup;

use crate::dto::phone::LanDto;
use std::net::SocketAddr;
use std::path::Path;
use std::sync::Arc;

use qrcode::QrCode;
use qrcode::render::{svg, unicode};
use rustls::ServerConfig;
use rustls::crypto::ring::default_provider;
use rustls::pki_types::pem::PemObject;
use rustls::pki_types::{CertificateDer, PrivateKeyDer};

pub use authority::Authority;
pub use names::Machine;
pub use setup::page;

/// How this kitchen is reached from other devices.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Lan {
    /// Its address by name, which stays the same when the addresses of this machine change.
    pub address: String,
    /// The same by the addresses that this machine has now.
    pub others: Vec<String>,
    /// Where a phone learns to trust this machine; nothing with a certificate of the cook's own.
    pub setup: Option<Setup>,
}

/// Where a phone learns to trust this machine.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Setup {
    /// The page that says how.
    pub address: String,
    /// SHA-256 of the authority, to be compared by eye.
    pub fingerprint: String,
    /// The authority as a file, PEM.
    pub authority: String,
}

impl Lan {
    /// With certificates of an authority of this machine's own.
    #[must_use]
    pub fn new(machine: &Machine, authority: &Authority, port: u16) -> Self {
        let setup = Setup {
            address: format!("http://{}:{}", machine.name, port.wrapping_add(1)),
            fingerprint: authority.fingerprint(),
            authority: authority.pem().to_owned(),
        };
        Self::at(machine, port, Some(setup))
    }

    /// With a certificate of the cook's own, which phones trust already.
    #[must_use]
    pub fn trusted(machine: &Machine, port: u16) -> Self {
        Self::at(machine, port, None)
    }

    fn at(machine: &Machine, port: u16, setup: Option<Setup>) -> Self {
        let others = machine
            .outward()
            .map(|address| format!("https://{}", SocketAddr::new(address, port)));
        Self {
            address: format!("https://{}:{port}", machine.name),
            others: others.collect(),
            setup,
        }
    }

    /// What a phone opens first.
    #[must_use]
    pub fn first(&self) -> &str {
        self.setup
            .as_ref()
            .map_or(&self.address, |setup| &setup.address)
    }

    /// That, to be scanned from the screen, as an SVG picture; nothing where it is too long for one.
    #[must_use]
    pub fn picture(&self) -> Option<String> {
        picture(self.first())
    }

    /// The same for a terminal.
    #[must_use]
    pub fn in_letters(&self) -> String {
        let code = QrCode::new(self.first());
        code.map_or_else(
            |_| String::new(),
            |code| {
                code.render::<unicode::Dense1x2>()
                    .dark_color(unicode::Dense1x2::Light)
                    .light_color(unicode::Dense1x2::Dark)
                    .build()
            },
        )
    }
}

/// An address to be scanned, as an SVG picture; nothing where it is too long for one.
#[must_use]
pub fn picture(address: &str) -> Option<String> {
    let code = QrCode::new(address).ok()?;
    Some(code.render::<svg::Color>().min_dimensions(220, 220).build())
}

/// How connections are made secret with a certificate and its key.
///
/// # Errors
/// One line that says what is wrong.
pub fn tls(
    chain: Vec<CertificateDer<'static>>,
    key: PrivateKeyDer<'static>,
) -> Result<ServerConfig, String> {
    ServerConfig::builder_with_provider(Arc::new(default_provider()))
        .with_safe_default_protocol_versions()
        .map_err(|error| error.to_string())?
        .with_no_client_auth()
        .with_single_cert(chain, key)
        .map_err(|error| format!("the certificate and its key cannot be used: {error}"))
}

/// A certificate of the cook's own, with those that vouch for it, and its key, both PEM.
///
/// # Errors
/// One line that names the file.
pub fn read(certificate: &Path, key: &Path) -> Result<ServerConfig, String> {
    let unread = |file: &Path, what: &str| {
        format!("{}: no {what} in PEM can be read from it", file.display())
    };
    let chain: Vec<CertificateDer<'static>> = CertificateDer::pem_file_iter(certificate)
        .and_then(Iterator::collect)
        .map_err(|error| format!("{} ({error})", unread(certificate, "certificate")))?;
    if chain.is_empty() {
        return Err(unread(certificate, "certificate"));
    }
    let own = PrivateKeyDer::from_pem_file(key)
        .map_err(|error| format!("{} ({error})", unread(key, "private key")))?;
    tls(chain, own)
}

impl From<&Lan> for LanDto {
    fn from(lan: &Lan) -> Self {
        let setup = lan.setup.as_ref();
        Self {
            address: lan.address.clone(),
            others: lan.others.clone(),
            setup: setup.map(|setup| setup.address.clone()),
            fingerprint: setup.map(|setup| setup.fingerprint.clone()),
            picture_svg: lan.picture(),
        }
    }
}
