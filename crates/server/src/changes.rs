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
use uuid::Uuid;

use crate::db::changes::{self, Change, Notice};
use crate::db::connect;
use crate::error::ApiError;
use crate::shares::{NoPlace, Place, Shares};
use crate::who::Who;

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

/// Pages that may listen to one server process, and the limits for a household and a device.
const MOST_PAGES: usize = 500;
const MOST_OF_A_HOUSEHOLD: usize = 60;
const MOST_OF_A_DEVICE: usize = 12;

/// A page that listens to changes. Dropping this frees its place.
#[derive(Debug)]
pub struct Listening {
    _of_household: Place,
    _of_device: Option<Place>,
}

/// What pages are told.
#[derive(Debug, Clone)]
pub enum Told {
    /// One thing changed, in one household.
    One(Change),
    /// A device may not in any more.
    Ended(Uuid),
    /// Anything may have: look at everything.
    Everything,
}

/// Tells open pages.
#[derive(Clone)]
pub struct Changes {
    url: Arc<str>,
    told: Sender<Told>,
    begun: Arc<Once>,
    of_households: Shares,
    of_devices: Shares,
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
            of_households: Shares::new(MOST_OF_A_HOUSEHOLD, MOST_PAGES),
            of_devices: Shares::new(MOST_OF_A_DEVICE, usize::MAX),
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
        self.of_households.held()
    }

    /// Takes a place for a page that listens.
    ///
    /// # Errors
    /// The limit of the device, of the household or of the server is reached.
    pub fn place(&self, who: Who) -> Result<Listening, ApiError> {
        const OF_ONES_OWN: &str = "too many pages of this household are open; close some of them";
        let of_household = self.of_households.take(who.household);
        let of_household = of_household.map_err(|why| match why {
            NoPlace::OfOnesOwn => ApiError::TooMany(OF_ONES_OWN),
            NoPlace::OfOthers => ApiError::Occupied(
                "too many pages are open on this server; this page tries again in a moment",
            ),
        })?;
        let of_device = who.device.map(|device| self.of_devices.take(device));
        let of_device = of_device
            .transpose()
            .map_err(|_| ApiError::TooMany(OF_ONES_OWN))?;
        Ok(Listening {
            _of_household: of_household,
            _of_device: of_device,
        })
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

    /// Whether the server is about to stop.
    #[must_use]
    pub fn is_closed(&self) -> bool {
        *self.closed.borrow()
    }

    fn listen_forever(&self) {
        while !self.is_closed() {
            let connection = connect::unlimited(&self.url);
            if let Err(error) = connection
                .map_err(anyhow::Error::from)
                .and_then(|mut connection| Ok(self.listen(&mut connection)?))
            {
                tracing::warn!(%error, "changes are not heard of; trying again");
            }
            std::thread::sleep(AGAIN);
        }
    }

    /// Until the connection is lost. What happened while there was none nobody knows: all pages look at
    /// everything.
    fn listen(&self, connection: &mut PgConnection) -> diesel::QueryResult<()> {
        /// Looks between two questions whether the database is still there.
        const LOOKS: u32 = 100;
        changes::listen(connection)?;
        // Nobody may be listening.
        let _ = self.told.send(Told::Everything);
        let mut looks = 0;
        while !self.is_closed() {
            for notice in changes::told(connection)? {
                let _ = self.told.send(match notice {
                    Notice::Changed(change) => Told::One(change),
                    Notice::Ended(device) => Told::Ended(device),
                });
            }
            looks += 1;
            if looks % LOOKS == 0 {
                changes::is_there(connection)?;
            }
            std::thread::sleep(LOOK);
        }
        Ok(())
    }

    /// Server-sent events for a device: first what its page missed, then what happens in its household, until
    /// the device may not in any more.
    pub fn events(
        &self,
        who: Who,
        place: Listening,
        heard: Receiver<Told>,
        missed: Vec<Change>,
    ) -> impl Stream<Item = Result<Bytes, actix_web::Error>> + use<> {
        let too_much = missed.len() >= usize::try_from(MOST).unwrap_or(usize::MAX);
        let first = std::iter::once("retry: 1000\n\n".to_owned())
            .chain(missed.iter().map(event))
            .chain(too_much.then(everything))
            .collect::<String>();
        let first = Next::Goes(first);
        let state = Some((self.clone(), place, heard, Some(first)));
        stream::unfold(state, move |state| async move {
            let (changes, place, mut heard, first) = state?;
            let next = match first {
                Some(first) => first,
                None => next(&changes, who, &mut heard).await,
            };
            let (text, state) = match next {
                Next::Goes(text) => (text, Some((changes, place, heard, None))),
                Next::Last(text) => (text, None),
                Next::End => return None,
            };
            Some((Ok(Bytes::from(text)), state))
        })
    }
}

/// What comes next.
enum Next {
    /// A text, and more after it.
    Goes(String),
    /// A text, and nothing after it: the page asks anew.
    Last(String),
    /// Nothing any more.
    End,
}

/// The next text; the end when the server stops, or the device may not in any more.
async fn next(changes: &Changes, who: Who, heard: &mut Receiver<Told>) -> Next {
    let mut closed = changes.closed.subscribe();
    let silence = sleep(ALIVE);
    tokio::pin!(silence);
    loop {
        tokio::select! {
            told = heard.recv() => match told {
                Ok(Told::One(change)) if change.household_id == who.household => {
                    return Next::Goes(event(&change));
                }
                Ok(Told::Ended(device)) if Some(device) == who.device => return Next::End,
                // Of others.
                Ok(Told::One(_) | Told::Ended(_)) => {}
                // Among what was not heard may be that the device is out: it has to come in again.
                Ok(Told::Everything) | Err(RecvError::Lagged(_)) if who.device.is_some() => {
                    return Next::Last(everything());
                }
                Ok(Told::Everything) | Err(RecvError::Lagged(_)) => return Next::Goes(everything()),
                Err(RecvError::Closed) => return Next::End,
            },
            _ = closed.wait_for(|closed| *closed) => return Next::End,
            () = &mut silence => return Next::Goes(": all is well\n\n".to_owned()),
        }
    }
}

fn event(change: &Change) -> String {
    let Change { seq, kind, of, .. } = change;
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
