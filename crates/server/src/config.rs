//! What the process is told from outside.

use std::net::IpAddr;
use std::path::PathBuf;
use std::time::Duration;

use clap::Parser;

use crate::access::Access;

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
    /// Keep the kitchens of several households; everybody signs in.
    #[arg(long)]
    pub households: bool,
    /// A proxy in front speaks TLS and says who asks (X-Forwarded-For, X-Forwarded-Proto); nobody reaches
    /// this server but through it.
    #[arg(long)]
    pub trust_proxy: bool,
    /// Let people sign in without TLS: whoever listens in the network can read passphrases.
    #[arg(long)]
    pub insecure_lan: bool,
    /// Where this server is reached, for links: https://kitchen.example.
    #[arg(long, env = "PUBLIC_URL")]
    pub public_url: Option<String>,
    /// Make a household for somebody, print the link that opens it the first time, and stop.
    #[arg(long)]
    pub invite: bool,
    /// A certificate of one's own, PEM, with those that vouch for it.
    #[arg(long, env = "TLS_CERT", requires = "tls_key")]
    pub tls_cert: Option<PathBuf>,
    /// Its key, PEM.
    #[arg(long, env = "TLS_KEY", requires = "tls_cert")]
    pub tls_key: Option<PathBuf>,
    /// Port, on this machine alone, where /metrics tells figures in the text form of Prometheus.
    #[arg(long, env = "METRICS_PORT")]
    pub metrics_port: Option<u16>,
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

/// What is said where passphrases would go through a network in the clear.
const UNPROTECTED: &str = "this server would be reached by others, who sign in, without TLS; start it with --lan for \
                           the phones of this home, give it a certificate (TLS_CERT and TLS_KEY), put it behind a \
                           proxy that speaks TLS (--trust-proxy), or say --insecure-lan";

impl Config {
    /// How long the database is waited for.
    #[must_use]
    pub const fn wait(&self) -> Duration {
        Duration::from_secs(self.database_wait)
    }

    /// Who is asked for what. Whoever can be reached by others asks them to sign in.
    ///
    /// # Errors
    /// One line that says what is missing for that.
    pub fn access(&self) -> Result<Access, String> {
        let sign_in = !self.is_loopback() || self.lan || self.households;
        // With --lan phones come over TLS, and what is plain is for this machine.
        let is_secret = self.tls_cert.is_some() || (self.lan && self.is_loopback());
        if sign_in && !is_secret && !self.trust_proxy && !self.insecure_lan {
            return Err(UNPROTECTED.to_owned());
        }
        Ok(Access {
            sign_in,
            trust_proxy: self.trust_proxy,
        })
    }

    /// Whether only this machine can reach the server.
    #[must_use]
    pub fn is_loopback(&self) -> bool {
        let host = self.host.trim_start_matches('[').trim_end_matches(']');
        host == "localhost" || host.parse::<IpAddr>().is_ok_and(|ip| ip.is_loopback())
    }
}
