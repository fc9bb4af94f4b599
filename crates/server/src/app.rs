//! The application as it is served, and as it is tested: one place for both.

use std::net::TcpListener;
use std::path::PathBuf;
use std::sync::LazyLock;

use actix_web::body::MessageBody;
use actix_web::dev::{Server, ServiceFactory, ServiceRequest, ServiceResponse};
use actix_web::middleware::{Compress, from_fn};
use actix_web::web::{self, Data};
use actix_web::{App, Error, HttpMessage, HttpResponse, HttpServer};
use rustls::ServerConfig;
use tracing::Span;
use tracing_actix_web::{RequestId, RootSpanBuilder, TracingLogger};
use utoipa_actix_web::AppExt;

use crate::access::Access;
use crate::body::Slowest;
use crate::context::Context;
use crate::description::Description;
use crate::error::extractors;
use crate::guard::{Names, only_ours, remember};
use crate::lan::Lan;
use crate::metrics::Metrics;
use crate::practice::Practice;
use crate::{files, headers, manners, openapi, routes};

/// What an application is made of.
#[derive(Clone)]
pub struct Site {
    /// Database and computation.
    pub context: Context,
    /// Who is asked for what.
    pub access: Access,
    /// What is counted.
    pub metrics: Metrics,
    /// How long a body may take to come.
    pub slowest: Slowest,
    /// Names it answers to.
    pub names: Names,
    /// Folder of the built web application.
    pub web_dir: PathBuf,
    /// How phones reach it, where they may.
    pub lan: Option<Lan>,
    /// What plays thermometers, where it is there.
    pub practice: Option<Practice>,
}

/// What it listens on.
#[derive(Default)]
pub struct Sockets {
    /// As they are.
    pub plain: Vec<TcpListener>,
    /// Over TLS.
    pub secret: Vec<(TcpListener, ServerConfig)>,
}

/// Made once for all workers.
static DESCRIPTION: LazyLock<Data<Description>> = LazyLock::new(|| Data::new(openapi::described()));

/// The application.
pub fn app(
    site: &Site,
) -> App<
    impl ServiceFactory<
        ServiceRequest,
        Config = (),
        Response = ServiceResponse<impl MessageBody + use<>>,
        Error = Error,
        InitError = (),
    > + use<>,
> {
    App::new()
        .wrap(Compress::default())
        .wrap(from_fn(only_ours))
        .wrap(from_fn(manners::named))
        .wrap(from_fn(headers::written))
        .wrap(from_fn(manners::head))
        .wrap(site.metrics.of_requests())
        .wrap(TracingLogger::<Spans>::new())
        .app_data(Data::new(site.slowest))
        .app_data(Data::new(site.context.clone()))
        .app_data(Data::new(site.access))
        .app_data(Data::new(site.names.clone()))
        .app_data(Data::new(site.lan.clone()))
        .app_data(Data::new(site.practice.clone()))
        .app_data(Data::clone(&DESCRIPTION))
        .configure(extractors)
        .route("/api/openapi.json", web::get().to(description))
        .into_utoipa_app()
        .configure(routes::api)
        .into_app()
        .configure(files::service(&site.web_dir))
}

/// Requests under way get so long to end when the server is stopped, s.
const DRAIN: u64 = 10;

/// The application on listening sockets, to be run. It is stopped by its handle, not by signals.
///
/// # Errors
/// When a socket cannot be used.
pub fn server(site: Site, sockets: Sockets) -> std::io::Result<Server> {
    let mut server = HttpServer::new(move || app(&site))
        .on_connect(remember)
        // Whoever has closed its side waits for nothing: what was asked for is not computed.
        .h1_allow_half_closed(false)
        .shutdown_timeout(DRAIN)
        .disable_signals();
    for listener in sockets.plain {
        server = server.listen(listener)?;
    }
    for (listener, tls) in sockets.secret {
        server = server.listen_rustls_0_23(listener, tls)?;
    }
    Ok(server.run())
}

async fn description(description: Data<Description>) -> HttpResponse {
    HttpResponse::Ok()
        .content_type("application/json")
        .body(description.openapi.clone())
}

/// Request logs carry method, route and status: no address, no query, nothing a person wrote.
struct Spans;

impl RootSpanBuilder for Spans {
    fn on_request_start(request: &ServiceRequest) -> Span {
        let id = request.extensions().get::<RequestId>().copied();
        tracing::info_span!(
            "request",
            method = %request.method(),
            route = request.match_pattern().unwrap_or_default(),
            status = tracing::field::Empty,
            request = %id.map(|id| id.to_string()).unwrap_or_default(),
        )
    }

    fn on_request_end<B: MessageBody>(span: Span, outcome: &Result<ServiceResponse<B>, Error>) {
        let status = match outcome {
            Ok(response) => response.status(),
            Err(error) => error.as_response_error().status_code(),
        };
        span.record("status", status.as_u16());
        span.in_scope(|| tracing::info!("answered"));
    }
}
