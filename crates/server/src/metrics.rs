//! Figures for whoever looks after the service, in the text form of Prometheus: how long each route takes, and
//! how much waits. They are served on a port of their own, for the machine itself.

use actix_web::web::{self, Data, ServiceConfig};
use actix_web::{HttpResponse, http::header};
use actix_web_prom::{PrometheusMetrics, PrometheusMetricsBuilder};
use prometheus::{IntGauge, Registry, TextEncoder};

use crate::context::{Context, Load};

/// Seconds of an answer, by which they are counted.
const SECONDS: [f64; 11] = [0.002, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1.0, 2.0, 5.0];

/// Where a figure stands.
type Read = fn(&Load) -> i64;

/// What is counted.
#[derive(Clone)]
pub struct Metrics {
    of_requests: PrometheusMetrics,
    registry: Registry,
    of_load: Vec<(IntGauge, Read)>,
}

fn whole(n: impl TryInto<i64>) -> i64 {
    n.try_into().unwrap_or(i64::MAX)
}

/// Each figure of the load: its name, what it tells, and where it stands.
const LOAD: [(&str, &str, Read); 6] = [
    (
        "ember_computations_waiting",
        "Computations that wait for a turn.",
        |load| whole(load.waiting),
    ),
    (
        "ember_database_connections",
        "Connections to the database.",
        |load| whole(load.connections),
    ),
    (
        "ember_database_connections_idle",
        "Of these, how many do nothing.",
        |load| whole(load.idle_connections),
    ),
    ("ember_database_queries", "Queries under way.", |load| {
        whole(load.queries)
    }),
    (
        "ember_database_queries_overdue",
        "Queries that were given up and have not come back.",
        |load| whole(load.overdue),
    ),
    ("ember_streams", "Pages that listen to changes.", |load| {
        whole(load.streams)
    }),
];

impl Metrics {
    /// Counts from zero.
    ///
    /// # Errors
    /// That a figure has no name that can be one.
    pub fn new() -> anyhow::Result<Self> {
        let registry = Registry::new();
        let of_requests = PrometheusMetricsBuilder::new("ember")
            .registry(registry.clone())
            .buckets(&SECONDS)
            // Addresses that are none would each be a figure of its own.
            .mask_unmatched_patterns("none")
            .build()
            .map_err(|error| anyhow::anyhow!(error))?;
        let mut of_load = Vec::new();
        for (name, words, read) in LOAD {
            let gauge = IntGauge::new(name, words)?;
            registry.register(Box::new(gauge.clone()))?;
            of_load.push((gauge, read));
        }
        Ok(Self {
            of_requests,
            registry,
            of_load,
        })
    }

    /// What counts requests.
    pub fn of_requests(&self) -> PrometheusMetrics {
        self.of_requests.clone()
    }

    /// All figures as they stand.
    ///
    /// # Errors
    /// That they cannot be written as text.
    pub fn text(&self, load: &Load) -> anyhow::Result<String> {
        for (gauge, read) in &self.of_load {
            gauge.set(read(load));
        }
        Ok(TextEncoder::new().encode_to_string(&self.registry.gather())?)
    }

    /// Serves them at `/metrics`.
    pub fn service(self, context: Context) -> impl Fn(&mut ServiceConfig) + Clone {
        move |config| {
            config
                .app_data(Data::new((self.clone(), context.clone())))
                .route("/metrics", web::get().to(figures));
        }
    }
}

async fn figures(of: Data<(Metrics, Context)>) -> HttpResponse {
    let (metrics, context) = of.get_ref();
    match metrics.text(&context.load()) {
        Ok(text) => HttpResponse::Ok()
            .insert_header((header::CONTENT_TYPE, prometheus::TEXT_FORMAT))
            .body(text),
        Err(error) => {
            tracing::error!(%error, "figures cannot be written");
            HttpResponse::InternalServerError().finish()
        }
    }
}
