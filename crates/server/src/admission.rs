//! Turns at the processor: so many computations at once as there are cores, a bounded number that waits, and
//! of those what is quick first, so that a plan is not held up by a supper. What has waited long goes first all
//! the same.

use std::cmp::Reverse;
use std::collections::BinaryHeap;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};

use tokio::sync::oneshot::{Sender, channel};

/// How much work something is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Cost {
    /// One plan.
    Cheap,
    /// A few plans, or a search.
    Usual,
    /// A supper with its alternatives; or nobody waits for it.
    Dear,
}

impl Cost {
    /// How long it lets others go first that came later and are quicker.
    const fn patience(self) -> Duration {
        match self {
            Self::Cheap => Duration::ZERO,
            Self::Usual => Duration::from_millis(300),
            Self::Dear => Duration::from_millis(1500),
        }
    }
}

/// Gives turns.
#[derive(Clone)]
pub struct Turns(Arc<Mutex<State>>);

struct State {
    free: usize,
    most_waiting: usize,
    arrived: u64,
    waiting: BinaryHeap<Reverse<Waiting>>,
}

/// In the order of whose turn is next.
struct Waiting {
    due: (Instant, u64),
    wake: Sender<Turn>,
}

impl PartialEq for Waiting {
    fn eq(&self, other: &Self) -> bool {
        self.due == other.due
    }
}

impl Eq for Waiting {}

impl PartialOrd for Waiting {
    fn partial_cmp(&self, other: &Self) -> Option<std::cmp::Ordering> {
        Some(self.cmp(other))
    }
}

impl Ord for Waiting {
    fn cmp(&self, other: &Self) -> std::cmp::Ordering {
        self.due.cmp(&other.due)
    }
}

/// A turn; over when it is dropped.
pub struct Turn(Option<Turns>);

impl Drop for Turn {
    fn drop(&mut self) {
        if let Some(turns) = self.0.take() {
            turns.pass_on();
        }
    }
}

impl Turns {
    /// So many at once, and so many that wait.
    #[must_use]
    pub fn new(at_once: usize, most_waiting: usize) -> Self {
        Self(Arc::new(Mutex::new(State {
            free: at_once,
            most_waiting,
            arrived: 0,
            waiting: BinaryHeap::new(),
        })))
    }

    /// How many wait.
    #[must_use]
    pub fn waiting(&self) -> usize {
        let mut state = self.state();
        state.waiting.retain(|Reverse(one)| !one.wake.is_closed());
        state.waiting.len()
    }

    fn state(&self) -> MutexGuard<'_, State> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// A turn, as soon as there is one; nothing where too many wait already. Whoever does not wait any more
    /// loses its place.
    pub async fn turn(&self, cost: Cost) -> Option<Turn> {
        self.turn_from(Instant::now(), cost).await
    }

    /// The same for somebody who came at a time.
    async fn turn_from(&self, came: Instant, cost: Cost) -> Option<Turn> {
        let coming = {
            let mut state = self.state();
            if state.free > 0 {
                state.free -= 1;
                return Some(Turn(Some(self.clone())));
            }
            state.waiting.retain(|Reverse(one)| !one.wake.is_closed());
            if state.waiting.len() >= state.most_waiting {
                return None;
            }
            let (wake, coming) = channel();
            state.arrived += 1;
            let due = (came + cost.patience(), state.arrived);
            state.waiting.push(Reverse(Waiting { due, wake }));
            coming
        };
        coming.await.ok()
    }

    /// Gives a turn that is over to whoever is next and still waits.
    fn pass_on(self) {
        let mut turn = Turn(Some(self.clone()));
        loop {
            let next = self.state().waiting.pop();
            let Some(Reverse(next)) = next else {
                self.state().free += 1;
                // Given back already.
                turn.0 = None;
                return;
            };
            match next.wake.send(turn) {
                Ok(()) => return,
                Err(not_there) => turn = not_there,
            }
        }
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[actix_web::test]
    async fn what_is_quick_goes_first_and_what_waited_long_too() {
        let turns = Turns::new(1, 8);
        let first = turns.turn(Cost::Dear).await.unwrap();
        let order = Arc::new(Mutex::new(Vec::new()));
        let begin = Instant::now();
        let wait = |name: &'static str, cost, after_ms| {
            let (turns, order) = (turns.clone(), Arc::clone(&order));
            let came = begin + Duration::from_millis(after_ms);
            actix_web::rt::spawn(async move {
                let turn = turns.turn_from(came, cost).await.unwrap();
                order.lock().unwrap().push(name);
                drop(turn);
            })
        };
        // The last one comes later than the search lets others go first, and earlier than the supper does.
        let all = [
            wait("supper", Cost::Dear, 0),
            wait("search", Cost::Usual, 0),
            wait("plan", Cost::Cheap, 100),
            wait("later plan", Cost::Cheap, 400),
        ];
        while turns.waiting() < 4 {
            tokio::task::yield_now().await;
        }
        drop(first);
        for one in all {
            one.await.unwrap();
        }
        let order = order.lock().unwrap().clone();
        assert_eq!(order, ["plan", "search", "later plan", "supper"]);
    }

    #[actix_web::test]
    async fn so_many_wait_and_whoever_goes_away_makes_room() {
        let turns = Turns::new(1, 1);
        let first = turns.turn(Cost::Cheap).await.unwrap();
        let second = turns.clone();
        let second = actix_web::rt::spawn(async move { second.turn(Cost::Cheap).await.is_some() });
        while turns.waiting() < 1 {
            tokio::task::yield_now().await;
        }
        assert!(turns.turn(Cost::Cheap).await.is_none());
        second.abort();
        while turns.waiting() > 0 {
            tokio::task::yield_now().await;
        }
        let third = turns.clone();
        let third = actix_web::rt::spawn(async move { third.turn(Cost::Dear).await.is_some() });
        while turns.waiting() < 1 {
            tokio::task::yield_now().await;
        }
        drop(first);
        assert!(third.await.unwrap());
        // All turns are over: the next one is free at once.
        assert!(turns.turn(Cost::Cheap).await.is_some());
    }
}
