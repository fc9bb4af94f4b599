//! Telling every open page what changed, whatever server process changed it: the database notifies, and what
//! was missed is read by its number.

use std::sync::{Arc, Once};
use std::time::Duration;

use actix_web::rt::time::sleep;
use actix_web::web::Bytes;
use diesel::pg::PgConnection;
use futures_util::stream::{self, Stream};
use tokio::sync::broadcast::{self, Receiver, Sender, error::RecvError};
use tokio::sync::watch;

use crate::db::changes::{self, Change};
use crate::db::connect;

/// How often the connection is looked at for notifications.
const LOOK: Duration = Duration::from_millis(100);
/// A connection that was lost is made anew after so long.
const AGAIN: Duration = Duration::from_secs(2);
/// A page that hears nothing is told so often that all is well; a proxy would hang up on silence.
const ALIVE: Duration = Duration::from_secs(15);
/// Changes that a slow page may be behind before it is told to look at everything.
const BEHIND: usize = 256;
/// Numbers are given before a transaction ends: after a lost connection so many before are told again.
const OVERLAP: i64 = 64;
/// The most that is told after a lost connection; a page that missed more looks at everything.
const MOST: i64 = 500;

/// What pages are told.
#[derive(Debug, Clone)]
pub enum Told {
    /// One thing changed.
    One(Change),
    /// Anything may have: look at everything.
    Everything,
}

/// Tells open pages.
#[derive(Clone)]
pub struct Changes {
    url: Arc<str>,
    told: Sender<Told>,
    begun: Arc<Once>,
    closed: Arc<watch::Sender<bool>>,
}

impl Changes {
    /// Nothing is listened to before somebody asks.
    #[must_use]
    pub fn new(url: &str) -> Self {
        Self {
            url: url.into(),
            told: broadcast::channel(BEHIND).0,
            begun: Arc::new(Once::new()),
            closed: Arc::new(watch::channel(false).0),
        }
    }

    /// Ends all that is being told: the server stops.
    pub fn close(&self) {
        self.closed.send_replace(true);
    }

    /// How many pages are told.
    #[must_use]
    pub fn pages(&self) -> usize {
        self.told.receiver_count()
    }

    /// Begins to hear of changes.
    pub fn hear(&self) -> Receiver<Told> {
        let heard = self.told.subscribe();
        self.begun.call_once(|| {
            let own = self.clone();
            std::thread::spawn(move || own.listen_forever());
        });
        heard
    }

    fn is_closed(&self) -> bool {
        *self.closed.borrow()
    }

    fn listen_forever(&self) {
        let mut last = None;
        while !self.is_closed() {
            let connection = connect::unlimited(&self.url);
            if let Err(error) = connection
                .map_err(anyhow::Error::from)
                .and_then(|mut connection| Ok(self.listen(&mut connection, &mut last)?))
            {
                tracing::warn!(%error, "changes are not heard of; trying again");
            }
            std::thread::sleep(AGAIN);
        }
    }

    /// Until the connection is lost. What happened while there was none is told first; before the very first
    /// one nothing was counted, so that pages which were already open look at everything.
    fn listen(
        &self,
        connection: &mut PgConnection,
        last: &mut Option<i64>,
    ) -> diesel::QueryResult<()> {
        /// Looks between two questions whether the database is still there.
        const LOOKS: u32 = 100;
        changes::listen(connection)?;
        let missed = match *last {
            Some(last) => {
                let missed = missed(connection, last)?;
                missed.into_iter().map(Told::One).collect()
            }
            None => vec![Told::Everything],
        };
        *last = Some(changes::latest(connection)?);
        for told in missed {
            // Nobody may be listening.
            let _ = self.told.send(told);
        }
        let mut looks = 0;
        while !self.is_closed() {
            for change in changes::told(connection)? {
                *last = (*last).max(Some(change.seq));
                let _ = self.told.send(Told::One(change));
            }
            looks += 1;
            if looks % LOOKS == 0 {
                changes::latest(connection)?;
            }
            std::thread::sleep(LOOK);
        }
        Ok(())
    }

    /// Server-sent events: first what a page missed, then what happens.
    pub fn events(
        &self,
        heard: Receiver<Told>,
        missed: Vec<Change>,
    ) -> impl Stream<Item = Result<Bytes, actix_web::Error>> + use<> {
        let too_much = missed.len() >= usize::try_from(MOST).unwrap_or(usize::MAX);
        let first = std::iter::once("retry: 1000\n\n".to_owned())
            .chain(missed.iter().map(event))
            .chain(too_much.then(everything))
            .collect::<String>();
        let state = (self.clone(), heard, Some(first));
        stream::unfold(state, |(changes, mut heard, first)| async move {
            let text = match first {
                Some(first) => first,
                None => next(&changes, &mut heard).await?,
            };
            Some((Ok(Bytes::from(text)), (changes, heard, None)))
        })
    }
}

/// The next text; nothing when the server stops.
async fn next(changes: &Changes, heard: &mut Receiver<Told>) -> Option<String> {
    let mut closed = changes.closed.subscribe();
    tokio::select! {
        told = heard.recv() => match told {
            Ok(Told::One(change)) => Some(event(&change)),
            Ok(Told::Everything) | Err(RecvError::Lagged(_)) => Some(everything()),
            Err(RecvError::Closed) => None,
        },
        _ = closed.wait_for(|closed| *closed) => None,
        () = sleep(ALIVE) => Some(": all is well\n\n".to_owned()),
    }
}

fn event(change: &Change) -> String {
    let Change { seq, kind, of } = change;
    format!("id: {seq}\nevent: {kind}\ndata: {of}\n\n")
}

/// A page that missed too much looks at everything.
fn everything() -> String {
    "event: everything\ndata: \n\n".to_owned()
}

/// What was missed since a change was heard of, by its number; the first of it where that is too much.
///
/// # Errors
/// Those of the database.
pub fn missed(connection: &mut PgConnection, last: i64) -> diesel::QueryResult<Vec<Change>> {
    changes::since(connection, last.saturating_sub(OVERLAP), MOST)
}
