//! What every handler is given: the pool, and a way off the request workers.

use std::any::Any;
use std::num::NonZero;
use std::sync::atomic::{AtomicU8, AtomicUsize, Ordering};
use std::sync::{Arc, LazyLock, Mutex, PoisonError};
use std::time::Duration;

use actix_web::rt::time::{Instant, sleep};
use actix_web::web;
use chrono::{DateTime, Utc};
use diesel::Connection as _;
use diesel::pg::PgConnection;
use diesel::r2d2::{ConnectionManager, Pool};
use ember_core::stop::Stop;
use tokio::runtime::{Builder, Runtime};
use tokio::sync::Semaphore;
use tokio::task::JoinHandle;
use tokio::time::{timeout, timeout_at};

use governor::{DefaultKeyedRateLimiter, Quota};

use uuid::Uuid;

use crate::access::Tries;
use crate::admission::{Cost, Turns};
use crate::changes::Changes;
use crate::db;
use crate::db::connect::{self, CONNECTIONS, PATIENCE};
use crate::error::ApiError;
use crate::shares::{NoPlace, Place, Shares};
use crate::who::Who;

/// A search ends with the best it has after so long.
const LONG_ENOUGH: Duration = Duration::from_secs(4);
/// Any computation ends after so long, without an answer.
const TOO_LONG: Duration = Duration::from_secs(30);

/// A whole kitchen is written or read within so long.
const LONG_WORK: Duration = Duration::from_secs(120);
/// Archives written or read at once by all households; each household has one at a time.
const LONG_WORKS: usize = 3;
/// Archives uploaded at once by all households; each household has one at a time.
const UPLOADS: usize = 4;
/// Smaller files uploaded at once: by each household, and by all.
const FILES: [usize; 2] = [6, 48];

/// A successful check of the disk is valid for this time.
const ROOM_KNOWN: Duration = Duration::from_secs(5);

/// Threads for all computations except those of running cooks. They have a lower priority, so running cooks, the
/// database and new connections get the processor first.
static IN_THE_BACKGROUND: LazyLock<Option<Runtime>> = LazyLock::new(|| {
    /// Their priority as `nice` counts it (POSIX): 0 is normal, 19 the lowest.
    const NICE: i32 = 10;
    Builder::new_current_thread()
        .max_blocking_threads(2 * cores() + LONG_WORKS)
        .on_thread_start(|| {
            // Without permission they keep the normal priority.
            let _ = rustix::process::nice(NICE);
        })
        .build()
        .ok()
});

/// What work answered. Its type is known to the caller alone: threads, turns and transactions are compiled once and
/// not for each handler, which was an eighth of the code of the service.
type Answer = Result<Box<dyn Any + Send>, ApiError>;
type Work = Box<dyn FnOnce() -> Answer + Send>;
type Queries = Box<dyn FnOnce(&mut PgConnection) -> Answer + Send>;

fn boxed<T: Send + 'static>(answer: Result<T, ApiError>) -> Answer {
    answer.map(|answer| Box::new(answer) as Box<dyn Any + Send>)
}

fn unboxed<T: 'static>(answer: Answer) -> Result<T, ApiError> {
    match answer?.downcast() {
        Ok(answer) => Ok(*answer),
        Err(_) => Err(ApiError::Fault(anyhow::anyhow!(
            "an answer of another type"
        ))),
    }
}

/// Does work off the request workers: reserved work at normal priority, all other work in the background.
fn apart(work: Work, is_reserved: bool) -> JoinHandle<Answer> {
    match IN_THE_BACKGROUND.as_ref().filter(|_| !is_reserved) {
        Some(background) => background.spawn_blocking(work),
        None => tokio::task::spawn_blocking(work),
    }
}

fn cores() -> usize {
    std::thread::available_parallelism().map_or(1, NonZero::get)
}

/// A thermometer may send five times a second, and after a pause twenty times at once.
fn often() -> Quota {
    let [second, burst] = [5, 20].map(|n| NonZero::new(n).unwrap_or(NonZero::<u32>::MIN));
    Quota::per_second(second).allow_burst(burst)
}

/// Shared by all workers.
#[derive(Clone)]
pub struct Context {
    pool: Pool<ConnectionManager<PgConnection>>,
    /// One permit for each connection, so that whoever has one need not wait for the pool.
    queries: Arc<Semaphore>,
    /// Queries that were given up and have not come back.
    overdue: Arc<AtomicUsize>,
    /// One turn for each core: more plans at once would only make all of them late.
    turns: Turns,
    changes: Changes,
    /// How often each thermometer may send.
    senders: Arc<DefaultKeyedRateLimiter<String>>,
    /// How often somebody may try to get in.
    tries: Arc<Tries>,
    url: Arc<str>,
    /// The last successful check of the database's disk.
    room: Arc<Mutex<Option<Instant>>>,
    /// Kitchens that are written to a file or read from one.
    long_work: Shares,
    /// Archives on their way in.
    uploads: Shares,
    /// Smaller files on their way in.
    files: Shares,
    /// One permit for each passphrase that is compared at once: each takes 19 MiB.
    hashes: Arc<Semaphore>,
}

impl Context {
    /// Opens a pool; connections are made when first needed, so that a database that is down
    /// later on can come back.
    #[must_use]
    pub fn new(database_url: &str) -> Self {
        let [files_each, files] = FILES;
        Self {
            pool: connect::pool(database_url),
            queries: Arc::new(Semaphore::new(CONNECTIONS as usize)),
            overdue: Arc::default(),
            turns: Turns::new(cores()),
            changes: Changes::new(database_url),
            senders: Arc::new(DefaultKeyedRateLimiter::keyed(often())),
            tries: Arc::default(),
            hashes: Arc::new(Semaphore::new(cores())),
            url: database_url.into(),
            room: Arc::default(),
            long_work: Shares::new(1, LONG_WORKS),
            uploads: Shares::new(1, UPLOADS),
            files: Shares::new(files_each, files),
        }
    }

    /// Whether a thermometer may send now.
    ///
    /// # Errors
    /// That it sends too often.
    pub fn may_send(&self, token: &str) -> Result<(), ApiError> {
        /// Addresses that are remembered before those that have been quiet are forgotten.
        const MANY: usize = 1000;
        if self.senders.len() > MANY {
            self.senders.retain_recent();
        }
        let may = self.senders.check_key(&token.to_owned());
        may.map_err(|_| ApiError::TooOften)
    }

    /// Takes a place for the upload of an archive.
    ///
    /// # Errors
    /// The household uploads one already, or all places are taken.
    pub fn upload(&self, who: Who) -> Result<Place, ApiError> {
        self.uploads.take(who.household).map_err(|why| match why {
            NoPlace::OfOnesOwn => ApiError::Occupied(
                "this household is sending a file already; wait until that has ended",
            ),
            NoPlace::OfOthers => ApiError::Occupied(
                "other households are sending their files; try again in a minute",
            ),
        })
    }

    /// Takes a place for the upload of a smaller file.
    ///
    /// # Errors
    /// The household, or all households together, upload the most already.
    pub fn file(&self, who: Who) -> Result<Place, ApiError> {
        self.files.take(who.household).map_err(|_| {
            ApiError::Occupied("too many files are being sent at once; try again in a moment")
        })
    }

    /// What there is to be watched from outside.
    #[must_use]
    pub fn load(&self) -> Load {
        let state = self.pool.state();
        Load {
            waiting: self.turns.waiting(),
            connections: state.connections,
            idle_connections: state.idle_connections,
            queries: CONNECTIONS as usize - self.queries.available_permits(),
            overdue: self.overdue.load(Ordering::Relaxed),
            streams: self.changes.pages(),
        }
    }

    /// How often somebody may try to get in.
    #[must_use]
    pub fn tries(&self) -> &Tries {
        &self.tries
    }

    /// What tells open pages of changes.
    #[must_use]
    pub const fn changes(&self) -> &Changes {
        &self.changes
    }

    /// Runs queries in one transaction that sees the rows of a household alone; see [`Context::query`].
    ///
    /// # Errors
    /// Those of [`Context::query`].
    pub async fn query_in<T: Send + 'static>(
        &self,
        household: Uuid,
        queries: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let queries: Queries = Box::new(move |connection| boxed(queries(connection)));
        let queries = move |connection: &mut PgConnection| {
            connection.transaction(|connection| {
                db::households::enter(connection, household)?;
                queries(connection)
            })
        };
        unboxed(self.query_boxed(Box::new(queries)).await)
    }

    /// Runs queries that are of no household on the pool's threads, and gives them up after [`PATIENCE`]: a database that
    /// stands still answers nothing, not even that. What was given up may still be done later, so
    /// whatever writes has an identity and can be asked for again.
    ///
    /// # Errors
    /// Whatever the queries return; [`ApiError::DatabaseDown`] when there is no connection or no
    /// answer, [`ApiError::DatabaseBusy`] when others use all connections.
    pub async fn query<T: Send + 'static>(
        &self,
        queries: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let queries = move |connection: &mut PgConnection| boxed(queries(connection));
        unboxed(self.query_boxed(Box::new(queries)).await)
    }

    async fn query_boxed(&self, queries: Queries) -> Answer {
        let deadline = Instant::now() + PATIENCE;
        let permit = timeout_at(deadline, Arc::clone(&self.queries).acquire_owned()).await;
        let permit = match permit {
            Ok(permit) => permit.map_err(|closed| ApiError::Fault(closed.into()))?,
            Err(_) if self.overdue.load(Ordering::Relaxed) > 0 => return Err(no_answer()),
            Err(_) => return Err(ApiError::DatabaseBusy),
        };
        let overdue = Overdue::new(&self.overdue);
        let (pool, mine) = (self.pool.clone(), overdue.clone());
        let job = web::block(move || {
            let answer = match pool.get() {
                Ok(mut connection) => {
                    let answer = queries(&mut connection);
                    if matches!(answer, Err(ApiError::DatabaseDown(_))) {
                        connect::end(&mut connection);
                    }
                    answer
                }
                Err(error) => Err(error.into()),
            };
            mine.came_back();
            drop(permit);
            answer
        });
        if let Ok(answer) = timeout_at(deadline, job).await {
            answer?
        } else {
            overdue.given_up();
            Err(no_answer())
        }
    }

    /// Checks that the database answers, accepts writes and has room on its disk. The disk is checked again when the last
    /// successful check is older than [`ROOM_KNOWN`].
    ///
    /// # Errors
    /// Those of the database, a full disk among them.
    pub async fn writes(&self) -> Result<(), ApiError> {
        let last = self.has_room();
        let is_known = last.is_some_and(|at| at.elapsed() < ROOM_KNOWN);
        self.query(move |connection| {
            if !connect::takes_writes(connection)? {
                return Err(no_writes());
            }
            if is_known {
                return Ok(());
            }
            Ok(connect::check_disk(connection)?)
        })
        .await?;
        if !is_known {
            *self.room.lock().unwrap_or_else(PoisonError::into_inner) = Some(Instant::now());
        }
        Ok(())
    }

    fn has_room(&self) -> Option<Instant> {
        *self.room.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Runs a computation for a device off the request workers, when its turn comes. When its client disconnects, the
    /// computation ends, in the queue or under way. A long search ends with the best result so far.
    ///
    /// # Errors
    /// Whatever the computation returns; [`ApiError::Busy`] when too many wait already.
    pub async fn compute<T: Send + 'static>(
        &self,
        who: Who,
        cost: Cost,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let work = Box::new(move || boxed(work()));
        unboxed(self.compute_boxed(who, cost, work).await)
    }

    async fn compute_boxed(&self, who: Who, cost: Cost, work: Work) -> Answer {
        let turn = self.turns.turn(who, cost).await.ok_or(ApiError::Busy)?;
        let stop = Stop::default();
        // Dropped with this future, when the client has gone; then nobody waits.
        let _waiting = Waiting(stop.clone());
        let own = stop.clone();
        let work = move || {
            let answer = own.during(work);
            drop(turn);
            answer.unwrap_or(Err(ApiError::Busy))
        };
        let job = apart(Box::new(work), cost.is_reserved());
        let hurry = async {
            sleep(LONG_ENOUGH).await;
            stop.finish_up();
            sleep(TOO_LONG - LONG_ENOUGH).await;
            stop.stop();
            std::future::pending::<()>().await;
        };
        tokio::select! {
            answer = job => answer.map_err(|error| ApiError::Fault(error.into()))?,
            () = hurry => Err(ApiError::Busy),
        }
    }

    /// Runs long work of a household in one transaction on a connection of its own, one at a time for each household.
    /// With `is_read` the transaction reads one snapshot. The work checks [`Stop::nobody_waits`] regularly: it ends when
    /// its client disconnects, and after [`LONG_WORK`] at the latest.
    ///
    /// # Errors
    /// Those of the work; [`ApiError::Occupied`] when other long work is under way or the time is over.
    pub async fn long<T: Send + 'static>(
        &self,
        household: Uuid,
        is_read: bool,
        work: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let work = Box::new(move |connection: &mut PgConnection| boxed(work(connection)));
        unboxed(self.long_boxed(household, is_read, work).await)
    }

    async fn long_boxed(&self, household: Uuid, is_read: bool, work: Queries) -> Answer {
        let place = self.long_work.take(household).map_err(|why| match why {
            NoPlace::OfOnesOwn => ApiError::Occupied(
                "this household is being saved to a file, or read from one, already; wait until that has ended",
            ),
            NoPlace::OfOthers => ApiError::Occupied(
                "other households are being saved to files or read from them; try again in a minute",
            ),
        })?;
        let stop = Stop::default();
        // Dropped with this future: when the client disconnects or the time is over.
        let _waiting = Waiting(stop.clone());
        let url = Arc::clone(&self.url);
        let work = move || {
            let _place = place;
            let mut connection = connect::unlimited(&url)
                .map_err(|error| ApiError::DatabaseDown(Box::new(error)))?;
            let work = |connection: &mut PgConnection| {
                db::households::enter(connection, household)?;
                let answer = stop.during(|| work(connection));
                answer.unwrap_or_else(|| Err(took_too_long()))
            };
            let mut transaction = connection.build_transaction();
            if is_read {
                transaction.repeatable_read().run(work)
            } else {
                transaction.run(work)
            }
        };
        match timeout(LONG_WORK, apart(Box::new(work), false)).await {
            Ok(answer) => answer.map_err(|error| ApiError::Fault(error.into()))?,
            Err(_) => Err(took_too_long()),
        }
    }

    /// Compares or makes a hash of a passphrase, which is work on purpose, off the request workers.
    ///
    /// # Errors
    /// Whatever the work returns.
    pub async fn hash<T: Send + 'static>(
        &self,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        let turn = Arc::clone(&self.hashes)
            .acquire_owned()
            .await
            .map_err(|closed| ApiError::Fault(closed.into()))?;
        let work = move || {
            let answer = work();
            drop(turn);
            boxed(answer)
        };
        unboxed(web::block(work).await?)
    }

    /// The server's time; the only clock of the service.
    #[must_use]
    pub fn now(&self) -> DateTime<Utc> {
        Utc::now()
    }
}

/// How much there is to do.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Load {
    /// Computations that wait for a turn.
    pub waiting: usize,
    /// Connections to the database.
    pub connections: u32,
    /// Of these, how many do nothing.
    pub idle_connections: u32,
    /// Queries under way.
    pub queries: usize,
    /// Queries that were given up and have not come back.
    pub overdue: usize,
    /// Pages that listen to changes.
    pub streams: usize,
}

/// The error of long work that was ended.
fn took_too_long() -> ApiError {
    ApiError::Occupied("this took longer than two minutes and was ended; nothing was changed")
}

fn no_answer() -> ApiError {
    ApiError::DatabaseDown(format!("no answer within {} s", PATIENCE.as_secs()).into())
}

fn no_writes() -> ApiError {
    ApiError::DatabaseDown("it is a standby".into())
}

/// Stops a computation when nobody waits for it.
struct Waiting(Stop);

impl Drop for Waiting {
    fn drop(&mut self) {
        self.0.stop();
    }
}

/// Counts a query as overdue from when it is given up until it comes back.
#[derive(Clone)]
struct Overdue {
    state: Arc<AtomicU8>,
    count: Arc<AtomicUsize>,
}

const GIVEN_UP: u8 = 1;
const BACK: u8 = 2;

impl Overdue {
    fn new(count: &Arc<AtomicUsize>) -> Self {
        Self {
            state: Arc::default(),
            count: Arc::clone(count),
        }
    }

    fn given_up(&self) {
        if self.state.swap(GIVEN_UP, Ordering::AcqRel) != BACK {
            self.count.fetch_add(1, Ordering::AcqRel);
        }
    }

    fn came_back(&self) {
        if self.state.swap(BACK, Ordering::AcqRel) == GIVEN_UP {
            self.count.fetch_sub(1, Ordering::AcqRel);
        }
    }
}
