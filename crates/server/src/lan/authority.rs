//! An authority of this machine's own: it vouches for this machine and for nothing else, so that a phone that
//! trusts it can be deceived about nothing else.

use std::fs::{self, OpenOptions};
use std::io::Write;
use std::net::{Ipv4Addr, Ipv6Addr};
use std::os::unix::fs::{DirBuilderExt, OpenOptionsExt};
use std::path::Path;

use chrono::{DateTime, Datelike, Duration, Utc};
use rcgen::{
    BasicConstraints, CertificateParams, CidrSubnet, DnType, ExtendedKeyUsagePurpose,
    GeneralSubtree, IsCa, Issuer, KeyPair, KeyUsagePurpose, NameConstraints, SanType,
    date_time_ymd,
};
use ring::digest::{SHA256, digest};
use rustls::ServerConfig;
use rustls::pki_types::pem::PemObject;
use rustls::pki_types::{CertificateDer, PrivateKeyDer};

use super::names::Machine;

/// How long the authority stands, years; then it is made anew and trusted anew.
const YEARS: i32 = 10;
/// A certificate is made at every start and stands for so long, days; phones refuse more than 825.
const DAYS: i64 = 397;
/// Clocks of phones may be behind, days.
const BEFORE: i64 = 1;

/// The authority of a machine.
pub struct Authority {
    pem: String,
    der: CertificateDer<'static>,
    issuer: Issuer<'static, KeyPair>,
}

impl Authority {
    /// The one that is kept in a folder for a machine of this name, made where there is none. Its key can
    /// be read by the owner alone, and so can the folder.
    ///
    /// # Errors
    /// One line that names the file.
    pub fn kept(folder: &Path, machine: &Machine, now: DateTime<Utc>) -> Result<Self, String> {
        let file = |ending: &str| folder.join(format!("{}.{ending}", machine.name));
        let (certificate, key) = (file("crt"), file("key"));
        let told = |what: &Path| {
            let what = what.display().to_string();
            move |error: &dyn std::fmt::Display| format!("{what}: {error}")
        };
        if !(certificate.exists() && key.exists()) {
            let mut builder = fs::DirBuilder::new();
            let made = builder.recursive(true).mode(0o700).create(folder);
            made.map_err(|error| told(folder)(&error))?;
            let (pem, own) = new(machine, now).map_err(|error| told(&certificate)(&error))?;
            write(&key, &own).map_err(|error| told(&key)(&error))?;
            write(&certificate, &pem).map_err(|error| told(&certificate)(&error))?;
        }
        let read = |file: &Path| fs::read_to_string(file).map_err(|error| told(file)(&error));
        let (pem, own) = (read(&certificate)?, read(&key)?);
        let own = KeyPair::from_pem(&own).map_err(|error| told(&key)(&error))?;
        Ok(Self {
            der: CertificateDer::from_pem_slice(pem.as_bytes())
                .map_err(|error| told(&certificate)(&error))?,
            issuer: Issuer::from_ca_cert_pem(&pem, own)
                .map_err(|error| told(&certificate)(&error))?,
            pem,
        })
    }

    /// As a file that a phone takes.
    #[must_use]
    pub fn pem(&self) -> &str {
        &self.pem
    }

    /// SHA-256 of it, in pairs of digits.
    #[must_use]
    pub fn fingerprint(&self) -> String {
        let digest = digest(&SHA256, &self.der);
        let pairs = digest.as_ref().iter().map(|byte| format!("{byte:02X}"));
        pairs.collect::<Vec<String>>().join(" ")
    }

    /// A certificate for the machine as it is reached now, with a key that is never written down.
    ///
    /// # Errors
    /// One line.
    pub fn vouch(&self, machine: &Machine, now: DateTime<Utc>) -> Result<ServerConfig, String> {
        let made = || {
            let own = KeyPair::generate()?;
            let mut wanted =
                CertificateParams::new(vec![machine.name.clone(), "localhost".to_owned()])?;
            let addresses = machine.addresses.iter().copied().map(SanType::IpAddress);
            wanted.subject_alt_names.extend(addresses);
            wanted
                .distinguished_name
                .push(DnType::CommonName, &machine.name);
            wanted.extended_key_usages = vec![ExtendedKeyUsagePurpose::ServerAuth];
            wanted.key_usages = vec![KeyUsagePurpose::DigitalSignature];
            wanted.use_authority_key_identifier_extension = true;
            stands(&mut wanted, now, now + Duration::days(DAYS));
            let signed = wanted.signed_by(&own, &self.issuer)?;
            Ok::<_, rcgen::Error>((signed.der().clone(), own.serialize_der()))
        };
        let (certificate, own) =
            made().map_err(|error| format!("no certificate could be made: {error}"))?;
        let own = PrivateKeyDer::try_from(own).map_err(str::to_owned)?;
        super::tls(vec![certificate, self.der.clone()], own)
    }
}

/// From when to when it counts.
fn stands(wanted: &mut CertificateParams, from: DateTime<Utc>, to: DateTime<Utc>) {
    let day = |at: DateTime<Utc>| date_time_ymd(at.year(), at.month() as u8, at.day() as u8);
    wanted.not_before = day(from - Duration::days(BEFORE));
    wanted.not_after = day(to);
}

/// An authority and its key, PEM.
fn new(machine: &Machine, now: DateTime<Utc>) -> Result<(String, String), rcgen::Error> {
    let own = KeyPair::generate()?;
    let mut wanted = CertificateParams::new(Vec::new())?;
    let name = format!("Zesty Ember at {}", machine.name);
    wanted.distinguished_name.push(DnType::CommonName, name);
    wanted.is_ca = IsCa::Ca(BasicConstraints::Constrained(0));
    wanted.key_usages = vec![KeyUsagePurpose::KeyCertSign, KeyUsagePurpose::CrlSign];
    wanted.name_constraints = Some(NameConstraints {
        permitted_subtrees: at_home(machine),
        excluded_subtrees: Vec::new(),
    });
    let end = now
        .with_year(now.year() + YEARS)
        .unwrap_or(now + Duration::days(3650));
    stands(&mut wanted, now, end);
    Ok((wanted.self_signed(&own)?.pem(), own.serialize_pem()))
}

/// This machine by its name, and what a home's addresses may be (RFC 1918, 3927, 4193, 4291): they change.
fn at_home(machine: &Machine) -> Vec<GeneralSubtree> {
    let four = |address: Ipv4Addr, bits| CidrSubnet::from_v4_prefix(address.octets(), bits);
    let six = |address: Ipv6Addr, bits| CidrSubnet::from_v6_prefix(address.octets(), bits);
    let addresses = [
        four(Ipv4Addr::new(10, 0, 0, 0), 8),
        four(Ipv4Addr::new(172, 16, 0, 0), 12),
        four(Ipv4Addr::new(192, 168, 0, 0), 16),
        four(Ipv4Addr::new(169, 254, 0, 0), 16),
        four(Ipv4Addr::new(127, 0, 0, 0), 8),
        six(Ipv6Addr::LOCALHOST, 128),
        six(Ipv6Addr::new(0xfc00, 0, 0, 0, 0, 0, 0, 0), 7),
        six(Ipv6Addr::new(0xfe80, 0, 0, 0, 0, 0, 0, 0), 10),
    ];
    let names = [machine.name.clone(), "localhost".to_owned()];
    let names = names.into_iter().map(GeneralSubtree::DnsName);
    names
        .chain(addresses.map(GeneralSubtree::IpAddress))
        .collect()
}

/// For the owner alone.
fn write(file: &Path, text: &str) -> std::io::Result<()> {
    let mut open = OpenOptions::new();
    open.write(true).create(true).truncate(true).mode(0o600);
    open.open(file)?.write_all(text.as_bytes())
}
