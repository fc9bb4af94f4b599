//! Opened to the phones of a home: an authority that vouches for this machine alone.

use std::fs;
use std::io::{Read, Write};
use std::net::{IpAddr, TcpListener, TcpStream};
use std::os::unix::fs::PermissionsExt;
use std::path::PathBuf;
use std::sync::Arc;

use crate::support::{Database, get, server, site};
use actix_web::web::Data;
use actix_web::{App, rt, test};
use chrono::{DateTime, Utc};
use ember_server::app::{self, Sockets};
use ember_server::guard::Names;
use ember_server::lan::{self, Authority, Lan, Machine};
use rustls::crypto::ring::default_provider;
use rustls::pki_types::pem::PemObject;
use rustls::pki_types::{CertificateDer, ServerName};
use rustls::{ClientConfig, ClientConnection, RootCertStore, ServerConfig, Stream};
use serde_json::Value;
use uuid::Uuid;

fn machine(name: &str) -> Machine {
    Machine::new(
        name,
        [
            "127.0.0.1".parse::<IpAddr>().unwrap(),
            "192.168.1.7".parse().unwrap(),
        ],
    )
}

fn folder() -> PathBuf {
    std::env::temp_dir().join(format!("ember-tls-{}", Uuid::new_v4()))
}

fn now() -> DateTime<Utc> {
    Utc::now()
}

/// A phone that trusts an authority and nothing else.
fn phone(authority: &Authority) -> Arc<ClientConfig> {
    let mut trusted = RootCertStore::empty();
    let own = CertificateDer::from_pem_slice(authority.pem().as_bytes()).unwrap();
    trusted.add(own).unwrap();
    let config = ClientConfig::builder_with_provider(Arc::new(default_provider()))
        .with_safe_default_protocol_versions()
        .unwrap()
        .with_root_certificates(trusted)
        .with_no_client_auth();
    Arc::new(config)
}

/// Asks over TLS for the health of a server under a name; the answer, or why it was not trusted.
fn asked(phone: &Arc<ClientConfig>, port: u16, name: &str) -> Result<String, String> {
    let server = ServerName::try_from(name.to_owned()).unwrap();
    let mut secret = ClientConnection::new(Arc::clone(phone), server).unwrap();
    let mut plain = TcpStream::connect(("127.0.0.1", port)).unwrap();
    let mut stream = Stream::new(&mut secret, &mut plain);
    let ask = format!("GET /api/phone HTTP/1.1\r\nHost: {name}\r\nConnection: close\r\n\r\n");
    stream
        .write_all(ask.as_bytes())
        .map_err(|error| error.to_string())?;
    let mut answer = String::new();
    let _ = stream.read_to_string(&mut answer);
    Ok(answer)
}

/// A server of this machine on a port of its own.
fn served(database: &Database, machine: &Machine, tls: ServerConfig) -> u16 {
    let listener = TcpListener::bind("127.0.0.1:0").unwrap();
    let port = listener.local_addr().unwrap().port();
    let site = app::Site {
        names: Names::new("127.0.0.1", std::slice::from_ref(&machine.name)),
        lan: Some(Lan::trusted(machine, port)),
        ..site(&database.url())
    };
    let sockets = Sockets {
        secret: vec![(listener, tls)],
        ..Sockets::default()
    };
    rt::spawn(app::server(site, sockets).unwrap());
    port
}

#[actix_web::test]
async fn a_phone_that_trusts_this_machine_opens_its_kitchen() {
    let database = Database::new();
    let (folder, cottage) = (folder(), machine("cottage"));
    let authority = Authority::kept(&folder, &cottage, now()).unwrap();
    let port = served(
        &database,
        &cottage,
        authority.vouch(&cottage, now()).unwrap(),
    );
    let phone = phone(&authority);
    let answers = rt::task::spawn_blocking(move || {
        ["cottage.local", "127.0.0.1", "localhost", "other.local"]
            .map(|name| asked(&phone, port, name))
    })
    .await
    .unwrap();
    for answer in &answers[..3] {
        let answer = answer.as_ref().unwrap();
        assert!(answer.starts_with("HTTP/1.1 200"), "{answer}");
        assert!(answer.contains("https://cottage.local:"), "{answer}");
    }
    assert!(
        answers[3].as_ref().unwrap_err().contains("certificate"),
        "{answers:?}"
    );
    fs::remove_dir_all(folder).unwrap();
}

/// Whoever gets hold of the key can deceive a phone about this machine, and about nothing else.
#[actix_web::test]
async fn an_authority_vouches_for_no_other_machine() {
    let database = Database::new();
    let (folder, cottage, bank) = (
        folder(),
        machine("cottage"),
        Machine {
            name: "bank.example".to_owned(),
            addresses: vec!["203.0.113.9".parse().unwrap()],
        },
    );
    let authority = Authority::kept(&folder, &cottage, now()).unwrap();
    let port = served(&database, &bank, authority.vouch(&bank, now()).unwrap());
    let phone = phone(&authority);
    let refused = rt::task::spawn_blocking(move || asked(&phone, port, "bank.example"));
    let why = refused.await.unwrap().unwrap_err();
    assert!(
        why.contains("NameConstraint") || why.contains("name constraint"),
        "{why}"
    );
    fs::remove_dir_all(folder).unwrap();
}

#[actix_web::test]
async fn the_authority_is_kept_for_its_owner_alone() {
    let (folder, cottage) = (folder(), machine("cottage"));
    let first = Authority::kept(&folder, &cottage, now()).unwrap();
    let again = Authority::kept(&folder, &cottage, now()).unwrap();
    assert_eq!(first.fingerprint(), again.fingerprint());
    assert_eq!(first.fingerprint().split(' ').count(), 32);
    let mode = |file: &PathBuf| fs::metadata(file).unwrap().permissions().mode() & 0o777;
    assert_eq!(mode(&folder), 0o700);
    assert_eq!(mode(&folder.join("cottage.local.key")), 0o600);
    // Another name is another authority.
    let other = Authority::kept(&folder, &machine("barn"), now()).unwrap();
    assert_ne!(first.fingerprint(), other.fingerprint());
    fs::remove_dir_all(folder).unwrap();
}

#[actix_web::test]
async fn a_certificate_of_ones_own_is_read_or_named() {
    let folder = folder();
    fs::create_dir(&folder).unwrap();
    let (certificate, key) = (folder.join("own.crt"), folder.join("own.key"));
    let own = rcgen::generate_simple_self_signed(["cottage.example".to_owned()]).unwrap();
    fs::write(&certificate, own.cert.pem()).unwrap();
    fs::write(&key, own.signing_key.serialize_pem()).unwrap();
    lan::read(&certificate, &key).unwrap();
    // The wrong way round, and not there.
    let why = lan::read(&key, &certificate).unwrap_err();
    assert!(
        why.contains("own.key") && why.contains("certificate"),
        "{why}"
    );
    let why = lan::read(&certificate, &folder.join("none.key")).unwrap_err();
    assert!(why.contains("none.key"), "{why}");
    fs::remove_dir_all(folder).unwrap();
}

#[actix_web::test]
async fn the_first_page_tells_how_and_shows_nothing_else() {
    let (folder, cottage) = (folder(), machine("cottage"));
    let authority = Authority::kept(&folder, &cottage, now()).unwrap();
    let lan = Lan::new(&cottage, &authority, 8443);
    assert_eq!(lan.first(), "http://cottage.local:8444");
    assert_eq!(lan.others, ["https://192.168.1.7:8443"]);
    assert!(lan.picture().unwrap().contains("<svg"));
    let pages = test::init_service(App::new().configure(lan::page(Data::new(lan)))).await;
    let read = |path: &str| test::TestRequest::get().uri(path).to_request();
    let page = test::call_and_read_body(&pages, read("/")).await;
    let page = String::from_utf8(page.to_vec()).unwrap();
    assert!(page.contains(&authority.fingerprint()) && page.contains("https://cottage.local:8443"));
    let file = test::call_service(&pages, read("/zesty-ember.crt")).await;
    assert_eq!(
        file.headers().get("content-type").unwrap(),
        "application/x-x509-ca-cert"
    );
    assert_eq!(test::read_body(file).await, authority.pem().as_bytes());
    assert!(!authority.pem().contains("KEY"));
    for path in ["/api/cooks", "/index.html"] {
        let answer = test::call_service(&pages, read(path)).await;
        assert_eq!(
            (
                answer.status().as_u16(),
                answer.headers().get("location").unwrap()
            ),
            (302, &"/".parse().unwrap())
        );
    }
    fs::remove_dir_all(folder).unwrap();
}

#[actix_web::test]
async fn alone_on_this_machine_there_is_nothing_for_phones() {
    let database = Database::new();
    let app = server(&database).await;
    assert_eq!(
        get(&app, "/api/phone").await,
        (200, serde_json::json!({ "lan": Value::Null }))
    );
}
