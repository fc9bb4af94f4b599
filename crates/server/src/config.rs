//! What the process is told from outside.

use std::path::PathBuf;

use clap::Parser;

/// Serves Zesty Ember.
#[derive(Debug, Clone, Parser)]
#[command(version)]
pub struct Config {
    /// Where PostgreSQL is, as postgres://user@host:port/name.
    #[arg(long, env = "DATABASE_URL", hide_env_values = true)]
    pub database_url: Option<String>,
    /// Address to listen on.
    #[arg(long, env = "HOST", default_value = "127.0.0.1")]
    pub host: String,
    /// Port to listen on.
    #[arg(long, env = "PORT", default_value_t = 8080)]
    pub port: u16,
    /// Folder of the built web application.
    #[arg(long, env = "WEB_DIR", default_value = "web/dist")]
    pub web_dir: PathBuf,
    /// Leave an empty database empty.
    #[arg(long)]
    pub no_demo: bool,
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
