//! Serves Zesty Ember: the API and the built web application from one process.

use std::io::Write;
use std::process::ExitCode;

use actix_web::dev::ServerHandle;
use actix_web::rt::signal::unix::{SignalKind, signal};
use actix_web::{HttpServer, rt};
use chrono::Utc;
use clap::Parser;
use ember_server::app::{Site, app};
use ember_server::config::Config;
use ember_server::context::Context;
use ember_server::guard::{Names, remember};
use ember_server::startup::{Start, prepare};
use ember_server::{openapi, purge};

/// Requests under way get so long to end when the server is stopped, s.
const DRAIN: u64 = 10;

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
    let site = Site {
        context: Context::new(&url),
        names: Names::new(&config.host, &config.allowed_hosts),
        web_dir: config.web_dir.clone(),
    };
    let context = site.context.clone();
    let server = HttpServer::new(move || app(&site))
        .on_connect(remember)
        // Whoever has closed its side waits for nothing: what was asked for is not computed.
        .h1_allow_half_closed(false)
        .shutdown_timeout(DRAIN)
        .disable_signals()
        .bind((config.host.as_str(), config.port))
        .map_err(|error| bind_line(&config, &error))?
        .run();
    say(&format!(
        "Zesty Ember is ready at http://{}:{}",
        config.host, config.port
    ));
    if !config.is_loopback() {
        say(OPEN);
    }
    rt::spawn(purge::forever(context));
    rt::spawn(stop_when_told(server.handle()));
    server.await.map_err(|error| error.to_string())
}

/// What listening beyond loopback means.
const OPEN: &str = "There is no sign-in yet: everybody in this network can read, change and delete \
                    everything in this kitchen. Do this only in a network whose people you trust, \
                    and never open this port to the internet.";

/// Ctrl-C and a plain kill do the same: nothing new is taken, and what is under way ends.
async fn stop_when_told(server: ServerHandle) {
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
