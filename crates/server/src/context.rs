//! What every handler is given: the pool, and a way off the request workers.

use std::num::NonZero;
use std::sync::Arc;
use std::time::Duration;

use actix_web::web;
use chrono::{DateTime, Utc};
use diesel::pg::PgConnection;
use diesel::r2d2::{ConnectionManager, Pool, PooledConnection};
use tokio::sync::Semaphore;

use crate::error::ApiError;

/// A connection from the pool.
pub type Connection = PooledConnection<ConnectionManager<PgConnection>>;

/// How long a request waits for a connection before it is told that the database is down.
const PATIENCE: Duration = Duration::from_secs(2);

/// Shared by all workers.
#[derive(Clone)]
pub struct Context {
    pool: Pool<ConnectionManager<PgConnection>>,
    /// One permit for each core: more plans at once would only make all of them late.
    cores: Arc<Semaphore>,
}

impl Context {
    /// Opens a pool; connections are made when first needed, so that a database that is down
    /// later on can come back.
    #[must_use]
    pub fn new(database_url: &str) -> Self {
        let pool = Pool::builder()
            .max_size(8)
            .min_idle(Some(1))
            .connection_timeout(PATIENCE)
            .build_unchecked(ConnectionManager::new(database_url));
        let cores = std::thread::available_parallelism().map_or(1, NonZero::get);
        Self {
            pool,
            cores: Arc::new(Semaphore::new(cores)),
        }
    }

    /// Runs queries on the pool's threads.
    ///
    /// # Errors
    /// Whatever the queries return; [`ApiError::DatabaseDown`] when there is no connection.
    pub async fn query<T: Send + 'static>(
        &self,
        queries: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let pool = self.pool.clone();
        web::block(move || queries(&mut *pool.get()?)).await?
    }

    /// Runs a computation off the request workers, as many at once as there are cores. A client
    /// that leaves while it waits for its turn (a newer word was said) costs nothing more.
    ///
    /// # Errors
    /// Whatever the computation returns.
    pub async fn compute<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let turn = Arc::clone(&self.cores)
            .acquire_owned()
            .await
            .map_err(|closed| ApiError::Fault(closed.into()))?;
        web::block(move || {
            let answer = work();
            drop(turn);
            answer
        })
        .await?
    }

    /// A connection for start-up work.
    ///
    /// # Errors
    /// When the database does not answer.
    pub fn connection(&self) -> Result<Connection, ApiError> {
        Ok(self.pool.get()?)
    }

    /// The server's time; the only clock of the service.
    #[must_use]
    pub fn now(&self) -> DateTime<Utc> {
        Utc::now()
    }
}
