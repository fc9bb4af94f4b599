//! What the process is told from outside.

use std::net::IpAddr;
use std::path::PathBuf;
use std::time::Duration;

use clap::Parser;

/// Serves Zesty Ember.
#[derive(Debug, Clone, Parser)]
#[command(version)]
pub struct Config {
    /// Where PostgreSQL is, as postgres://user@host:port/name.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database_url: Option<String>,
    /// The same as the owner of the tables, who makes and changes them; DATABASE_URL when absent.
    #[arg(long, env = "DATABASE_OWNER_URL", hide_env_values = true)]
    pub database_owner_url: Option<String>,
    /// How long to wait for the database, seconds.
    #[arg(long, env = "DATABASE_WAIT", default_value_t = 60)]
    pub database_wait: u64,
    /// Address to listen on.
    #[arg(long, env = "HOST", default_value = "127.0.0.1")]
    pub host: String,
    /// Port to listen on.
    #[arg(long, env = "PORT", default_value_t = 8080)]
    pub port: u16,
    /// Names this server answers to besides its addresses, separated by commas.
    #[arg(long, env = "ALLOWED_HOSTS", value_delimiter = ',')]
    pub allowed_hosts: Vec<String>,
    /// Folder of the built web application.
    #[arg(long, env = "WEB_DIR", default_value = "web/dist")]
    pub web_dir: PathBuf,
    /// Open it to the phones of this home: over TLS, with a certificate of this machine's own.
    #[arg(long)]
    pub lan: bool,
    /// Port for phones; the page that tells them how to trust this machine is at the next one.
    #[arg(long, env = "LAN_PORT", default_value_t = 8443)]
    pub lan_port: u16,
    /// Folder of the authority that vouches for this machine.
    #[arg(long, env = "TLS_DIR", default_value = ".data/tls")]
    pub tls_dir: PathBuf,
    /// A certificate of one's own, PEM, with those that vouch for it.
    #[arg(long, env = "TLS_CERT", requires = "tls_key")]
    pub tls_cert: Option<PathBuf>,
    /// Its key, PEM.
    #[arg(long, env = "TLS_KEY", requires = "tls_cert")]
    pub tls_key: Option<PathBuf>,
    /// Leave an empty database empty.
    #[arg(long)]
    pub no_demo: bool,
    /// Make or change the tables and stop.
    #[arg(long)]
    pub migrate: bool,
    /// Print the API description and stop.
    #[arg(long)]
    pub openapi: bool,
    /// Print the JSON Schema of machine documents and stop.
    #[arg(long)]
    pub machines_schema: bool,
    /// Print the JSON Schema of a supper and stop.
    #[arg(long)]
    pub supper_schema: bool,
}

impl Config {
    /// How long the database is waited for.
    #[must_use]
    pub const fn wait(&self) -> Duration {
        Duration::from_secs(self.database_wait)
    }

    /// Whether only this machine can reach the server.
    #[must_use]
    pub fn is_loopback(&self) -> bool {
        let host = self.host.trim_start_matches('[').trim_end_matches(']');
        host == "localhost" || host.parse::<IpAddr>().is_ok_and(|ip| ip.is_loopback())
    }
}
