//! Serves Zesty Ember: the API and the built web application from one process.

use std::io::Write;
use std::path::PathBuf;
use std::process::ExitCode;

use actix_files::{Files, NamedFile};
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse, fn_service};
use actix_web::middleware::Compress;
use actix_web::web::Data;
use actix_web::{App, HttpServer, ResponseError};
use clap::Parser;
use diesel_migrations::MigrationHarness;
use ember_server::config::Config;
use ember_server::context::Context;
use ember_server::error::{ApiError, extractors};
use ember_server::{db, demo, openapi, purge, routes};
use tracing::Span;
use tracing_actix_web::{RootSpanBuilder, TracingLogger};
use utoipa_actix_web::AppExt;

#[actix_web::main]
async fn main() -> ExitCode {
    let config = Config::parse();
    if config.openapi {
        say(openapi::text().trim_end());
        return ExitCode::SUCCESS;
    }
    if config.machines_schema {
        say(openapi::machines_schema().trim_end());
        return ExitCode::SUCCESS;
    }
    if config.supper_schema {
        say(openapi::supper_schema().trim_end());
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
    let context = Context::new(&url);
    prepare(&context, config.no_demo)?;
    let data = Data::new(context.clone());
    let web_dir = config.web_dir.clone();
    let server = HttpServer::new(move || {
        App::new()
            .wrap(Compress::default())
            .wrap(TracingLogger::<Spans>::new())
            .app_data(data.clone())
            .configure(extractors)
            .into_utoipa_app()
            .configure(routes::api)
            .into_app()
            .service(web(&web_dir))
    })
    .shutdown_timeout(5)
    .bind((config.host.as_str(), config.port))
    .map_err(|error| bind_line(&config, &error))?;
    say(&format!(
        "Zesty Ember is ready at http://{}:{}",
        config.host, config.port
    ));
    actix_web::rt::spawn(purge::forever(context));
    server.run().await.map_err(|error| error.to_string())
}

/// Migrates, and fills an empty database with the demo kitchen.
fn prepare(context: &Context, no_demo: bool) -> Result<(), String> {
    let mut connection = context.connection().map_err(|_| {
        "the database at DATABASE_URL does not answer; start it or correct the address".to_owned()
    })?;
    connection
        .run_pending_migrations(db::MIGRATIONS)
        .map_err(|error| format!("the database could not be brought up to date: {error}"))?;
    if no_demo {
        return Ok(());
    }
    demo::fill_if_empty(&mut connection, context.now())
        .map_err(|error| format!("the demo kitchen could not be written: {error}"))
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

/// The built web application; its places are addresses of their own, so what is no file and not
/// below `/api/` or `/assets/` is answered with its page.
fn web(dir: &PathBuf) -> Files {
    let page = dir.join("index.html");
    Files::new("/", dir)
        .index_file("index.html")
        .default_handler(fn_service(move |request: ServiceRequest| {
            let page = page.clone();
            async move {
                let (request, _) = request.into_parts();
                let path = request.path();
                let response = if path.starts_with("/api/") || path.starts_with("/assets/") {
                    ApiError::NotFound("page").error_response()
                } else {
                    match NamedFile::open(page) {
                        Ok(file) => file.into_response(&request),
                        Err(_) => ApiError::NotFound("built web application").error_response(),
                    }
                };
                Ok(ServiceResponse::new(request, response))
            }
        }))
}

/// Request logs carry method, route and status: no address, no query, nothing a person wrote.
struct Spans;

impl RootSpanBuilder for Spans {
    fn on_request_start(request: &ServiceRequest) -> Span {
        tracing::info_span!(
            "request",
            method = %request.method(),
            route = request.match_pattern().unwrap_or_default(),
            status = tracing::field::Empty,
        )
    }

    fn on_request_end<B: MessageBody>(
        span: Span,
        outcome: &Result<ServiceResponse<B>, actix_web::Error>,
    ) {
        let status = match outcome {
            Ok(response) => response.status(),
            Err(error) => error.as_response_error().status_code(),
        };
        span.record("status", status.as_u16());
        span.in_scope(|| tracing::info!("answered"));
    }
}

fn say(line: &str) {
    // Nobody may be reading; that is no reason to stop.
    let _ = writeln!(std::io::stdout(), "{line}");
}
