//! Serves Zesty Ember: the API and the built web application from one process.

use std::io::Write;
use std::net::{IpAddr, TcpListener, ToSocketAddrs, UdpSocket};
use std::process::ExitCode;

use actix_web::dev::{Server, ServerHandle};
use actix_web::rt;
use actix_web::rt::signal::unix::{SignalKind, signal};
use actix_web::web::Data;
use actix_web::{App, HttpServer};
use chrono::Utc;
use clap::Parser;
use ember_server::access::Secret;
use ember_server::app::{Site, Sockets, server};
use ember_server::body::Slowest;
use ember_server::config::Config;
use ember_server::context::Context;
use ember_server::guard::Names;
use ember_server::lan::{self, Authority, Lan, Machine};
use ember_server::metrics::Metrics;
use ember_server::practice::Practice;
use ember_server::startup::{Start, first_link, has_several, invited, prepare, walled};
use ember_server::{following, openapi, purge};

#[actix_web::main]
async fn main() -> ExitCode {
    let config = Config::parse();
    if config.openapi || config.machines_schema || config.supper_schema {
        let described = openapi::described();
        say(match (config.openapi, config.machines_schema) {
            (true, _) => described.openapi.trim_end(),
            (_, true) => described.machines.trim_end(),
            _ => described.supper.trim_end(),
        });
        return ExitCode::SUCCESS;
    }
    tracing_subscriber::fmt()
        .json()
        .with_ansi(false)
        .with_writer(std::io::stderr)
        .with_env_filter(
            tracing_subscriber::EnvFilter::try_from_default_env()
                .unwrap_or_else(|_| "warn,ember_server=info,r2d2=off".into()),
        )
        .init();
    match serve(config).await {
        Ok(()) => ExitCode::SUCCESS,
        Err(line) => {
            let _ = writeln!(std::io::stderr(), "zesty ember: {line}");
            ExitCode::FAILURE
        }
    }
}

/// Runs until it is told to stop; an error is one line that says what to do.
async fn serve(config: Config) -> Result<(), String> {
    let access = config.access()?;
    let url = config.database_url.clone().ok_or(
        "DATABASE_URL is not set; run ./start, or set it to postgres://user@host:port/name",
    )?;
    prepare(
        Start {
            url: &url,
            owner_url: config.database_owner_url.as_ref().unwrap_or(&url),
            wait: config.wait(),
            only_migrate: config.migrate,
            demo: !config.no_demo,
            now: Utc::now(),
        },
        &say,
    )?;
    if config.migrate {
        return Ok(());
    }
    if config.invite {
        let secret = invited(&url, Utc::now())?;
        say(&format!(
            "A new household is opened the first time at {}",
            join(&config, &secret)
        ));
        return Ok(());
    }
    let first = access.sign_in.then(|| first_link(&url, Utc::now()));
    let first = first.transpose()?.flatten();
    if config.households || has_several(&url)? {
        walled(&url)?;
    }
    // The sockets come last: a report that waits in a socket before the service reads it gets too late a time.
    let opened = opened(&config)?;
    let is_plain = !opened.sockets.plain.is_empty();
    let mut names = config.allowed_hosts.clone();
    names.extend(opened.machine);
    let metrics = Metrics::new().map_err(|error| error.to_string())?;
    let site = Site {
        context: Context::new(&url),
        access,
        metrics: metrics.clone(),
        slowest: Slowest::default(),
        names: Names::new(&config.host, &names),
        web_dir: config.web_dir.clone(),
        lan: opened.lan.clone(),
        practice: Practice::beside(format!("http://{}", here(&config))).filter(|_| is_plain),
    };
    let context = site.context.clone();
    let server = server(site, opened.sockets).map_err(|error| format!("cannot serve: {error}"))?;
    if let Some(port) = config.metrics_port {
        rt::spawn(metrics_server(metrics, context.clone(), port)?);
    }
    rt::spawn(purge::forever(context.clone()));
    rt::spawn(following::catch_up(context.clone()));
    rt::spawn(stop_when_told(server.handle(), context));
    let running = rt::spawn(server);
    // Its first turn starts its workers; only then is it ready.
    tokio::task::yield_now().await;
    say(&format!("Zesty Ember is ready at {}", addresses(&config)));
    if let Some(lan) = &opened.lan {
        let others = lan.others.join(" or ");
        say(&format!(
            "On phones of this home: {}, now also {others}",
            lan.address
        ));
        if let Some((setup, listener)) = lan.setup.as_ref().zip(opened.setup) {
            rt::spawn(setup_server(lan.clone(), listener)?);
            say(&format!(
                "A phone learns to trust this computer at {}",
                setup.address
            ));
            say(&lan.in_letters());
        }
    }
    if let Some(secret) = first {
        say(&format!(
            "Nobody is signed in yet. Open this kitchen the first time, within a week, at {}",
            join(&config, &secret)
        ));
    }
    let ended = running.await.map_err(|error| error.to_string())?;
    ended.map_err(|error| error.to_string())
}

/// What is listened on, and what phones are told.
struct Opened {
    sockets: Sockets,
    lan: Option<Lan>,
    /// For the page that phones open first.
    setup: Option<TcpListener>,
    /// The name of this computer in its network, where phones use it.
    machine: Option<String>,
}

/// Opens what is asked for: the host as it is or over TLS, and for phones everything over TLS.
fn opened(config: &Config) -> Result<Opened, String> {
    let listeners = listen(config).map_err(|error| bind_line(config, &error))?;
    let own = match (&config.tls_cert, &config.tls_key) {
        (Some(certificate), Some(key)) => Some(lan::read(certificate, key)?),
        _ => None,
    };
    let mut opened = Opened {
        sockets: Sockets::default(),
        lan: None,
        setup: None,
        machine: None,
    };
    if !config.lan {
        match own {
            Some(tls) => {
                let secret = listeners.into_iter().map(|one| (one, tls.clone()));
                opened.sockets.secret = secret.collect();
            }
            None => opened.sockets.plain = listeners,
        }
        return Ok(opened);
    }
    opened.sockets.plain = listeners;
    let machine = Machine::here();
    let port = config.lan_port;
    let everywhere = |port: u16| {
        // Both kinds of addresses at once, where the machine has both.
        TcpListener::bind(("::", port))
            .or_else(|_| TcpListener::bind(("0.0.0.0", port)))
            .map_err(|error| {
                format!(
                    "cannot listen on port {port} for phones: {error}; choose another: LAN_PORT={}",
                    port.wrapping_add(10)
                )
            })
    };
    let tls = if let Some(tls) = own {
        opened.lan = Some(Lan::trusted(&machine, port));
        tls
    } else {
        let authority = Authority::kept(&config.tls_dir, &machine, Utc::now())?;
        opened.lan = Some(Lan::new(&machine, &authority, port));
        opened.setup = Some(everywhere(port.wrapping_add(1))?);
        authority.vouch(&machine, Utc::now())?
    };
    opened.sockets.secret.push((everywhere(port)?, tls));
    opened.machine = Some(machine.name);
    Ok(opened)
}

/// Where this computer itself reaches it.
fn here(config: &Config) -> String {
    let Config { host, port, .. } = config;
    match host.parse::<IpAddr>() {
        Ok(address) if address.is_unspecified() => format!("127.0.0.1:{port}"),
        _ => format!("{host}:{port}"),
    }
}

/// The page that phones open first.
fn setup_server(lan: Lan, listener: TcpListener) -> Result<Server, String> {
    let lan = Data::new(lan);
    let served = HttpServer::new(move || App::new().configure(lan::page(Data::clone(&lan))));
    let served = served.workers(1).disable_signals().listen(listener);
    served
        .map(HttpServer::run)
        .map_err(|error| format!("cannot serve the page for phones: {error}"))
}

/// Figures, for this machine alone.
fn metrics_server(metrics: Metrics, context: Context, port: u16) -> Result<Server, String> {
    let told = |error: std::io::Error| format!("cannot listen on METRICS_PORT {port}: {error}");
    let service = metrics.service(context);
    HttpServer::new(move || App::new().configure(service.clone()))
        .workers(1)
        .disable_signals()
        .bind(("127.0.0.1", port))
        .map(HttpServer::run)
        .map_err(told)
}

/// Every address that the host has; one of them that can be listened on is enough.
fn listen(config: &Config) -> std::io::Result<Vec<TcpListener>> {
    let host = config.host.trim_start_matches('[').trim_end_matches(']');
    let mut failed = None;
    let mut listeners = Vec::new();
    for address in (host, config.port).to_socket_addrs()? {
        match TcpListener::bind(address) {
            Ok(listener) => listeners.push(listener),
            Err(error) => failed = Some(error),
        }
    }
    match failed {
        Some(error) if listeners.is_empty() => Err(error),
        _ => Ok(listeners),
    }
}

/// Where it can be opened: an address that stands for all of this machine's is not one of them.
fn addresses(config: &Config) -> String {
    let Config { host, port, .. } = config;
    let way = if config.tls_cert.is_some() && !config.lan {
        "https"
    } else {
        "http"
    };
    let here = host.parse::<IpAddr>();
    if !here.is_ok_and(|address| address.is_unspecified()) {
        return format!("{way}://{host}:{port}");
    }
    // The address that others see is the one a packet to them would leave from; none is sent.
    let outward = UdpSocket::bind("0.0.0.0:0").and_then(|socket| {
        socket.connect("192.0.2.1:9")?;
        socket.local_addr()
    });
    match outward {
        Ok(seen) => format!("{way}://127.0.0.1:{port} and {way}://{}:{port}", seen.ip()),
        Err(_) => format!("{way}://127.0.0.1:{port} and at this machine's addresses"),
    }
}

/// The address that a link is opened at: by name where there is one.
fn join(config: &Config, secret: &Secret) -> String {
    let public = config
        .public_url
        .clone()
        .map(|url| url.trim_end_matches('/').to_owned());
    let here = || {
        let all = addresses(config);
        all.split(' ').next().unwrap_or_default().to_owned()
    };
    format!("{}/join#{}", public.unwrap_or_else(here), secret.reveal())
}

/// Ctrl-C and a plain kill do the same: nothing new is taken, and what is under way ends.
async fn stop_when_told(server: ServerHandle, context: Context) {
    let (Ok(mut interrupt), Ok(mut terminate)) = (
        signal(SignalKind::interrupt()),
        signal(SignalKind::terminate()),
    ) else {
        return;
    };
    tokio::select! {
        _ = interrupt.recv() => {}
        _ = terminate.recv() => {}
    }
    context.changes().close();
    server.stop(true).await;
}

fn bind_line(config: &Config, error: &std::io::Error) -> String {
    let Config { host, port, .. } = config;
    match error.kind() {
        std::io::ErrorKind::AddrInUse => format!(
            "port {port} on {host} is in use; stop what uses it or choose another: PORT={} ./start",
            port.wrapping_add(10)
        ),
        _ => format!("cannot listen on {host}:{port}: {error}; set HOST and PORT"),
    }
}

fn say(line: &str) {
    // Nobody may be reading; that is no reason to stop.
    let _ = writeln!(std::io::stdout(), "{line}");
}
