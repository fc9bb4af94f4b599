//! Scheduling of computations. Answers of running cooks have reserved turns, one for each core, so other work does not
//! delay them. All other computations share one more turn for each core, in a fair order: the household with the least
//! recent processor time is next; within the household, the device with the least; within the device, quick work first,
//! until something has waited long. Each kind of work has a bounded queue. When a queue is full, a newcomer replaces the
//! latest entry of the household with the most entries.

use std::collections::HashMap;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};
use std::time::{Duration, Instant};

use tokio::sync::oneshot::{Sender, channel};
use uuid::Uuid;

use crate::who::Who;

/// How much work something is.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Cost {
    /// The answer of a cook that is under way: it has turns of its own.
    Running,
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
            Self::Running | Self::Cheap => Duration::ZERO,
            Self::Usual => Duration::from_millis(300),
            Self::Dear => Duration::from_millis(1500),
        }
    }

    /// The length of its queue. Quick work passes sooner, so its queue is longer.
    const fn most_waiting(self) -> usize {
        match self {
            Self::Running => 128,
            Self::Cheap => 32,
            Self::Usual => 24,
            Self::Dear => 12,
        }
    }

    /// Whether it has turns of its own.
    pub const fn is_reserved(self) -> bool {
        matches!(self, Self::Running)
    }
}

/// Gives turns.
#[derive(Clone)]
pub struct Turns(Arc<Mutex<State>>);

struct State {
    /// Free turns: of running cooks, and of everything else.
    free: [usize; 2],
    arrived: u64,
    waiting: Vec<Waiting>,
    used: Used,
}

struct Waiting {
    who: Who,
    cost: Cost,
    due: (Instant, u64),
    wake: Sender<Turn>,
}

/// Recent processor time of households and devices, s, with the time of its last update. Older use counts less.
#[derive(Default)]
struct Used(HashMap<Uuid, (f64, Instant)>);

impl Used {
    /// Use of this age counts half, s.
    const HALF: f64 = 20.0;
    /// Above this number of entries those that hardly count are removed.
    const MANY: usize = 10_000;

    fn of(&self, id: Uuid, now: Instant) -> f64 {
        self.0.get(&id).map_or(0.0, |(time, at)| {
            time * (-now.duration_since(*at).as_secs_f64() / Self::HALF).exp2()
        })
    }

    fn add(&mut self, id: Uuid, time: f64, now: Instant) {
        self.0.insert(id, (self.of(id, now) + time, now));
        if self.0.len() > Self::MANY {
            let counts = |(time, at): &(f64, Instant)| {
                now.duration_since(*at).as_secs_f64() < 10.0 * Self::HALF && *time > 0.0
            };
            self.0.retain(|_, used| counts(used));
        }
    }
}

/// Without sign-in all devices of the household count as one.
fn device(who: Who) -> Uuid {
    who.device.unwrap_or(who.household)
}

/// A turn. Dropping it ends the turn.
pub struct Turn(Option<Held>);

struct Held {
    turns: Turns,
    who: Who,
    cost: Cost,
    since: Instant,
}

impl Drop for Turn {
    fn drop(&mut self) {
        if let Some(held) = self.0.take() {
            held.turns.end(held.who, held.cost, held.since.elapsed());
        }
    }
}

impl Turns {
    /// With the number of turns, and as many again for running cooks.
    #[must_use]
    pub fn new(at_once: usize) -> Self {
        Self(Arc::new(Mutex::new(State {
            free: [at_once; 2],
            arrived: 0,
            waiting: Vec::new(),
            used: Used::default(),
        })))
    }

    /// How many wait.
    #[must_use]
    pub fn waiting(&self) -> usize {
        let mut state = self.state();
        state.waiting.retain(|one| !one.wake.is_closed());
        state.waiting.len()
    }

    fn state(&self) -> MutexGuard<'_, State> {
        self.0.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// A turn, as soon as there is one; nothing where too many wait already. Whoever does not wait any more
    /// loses its place.
    pub async fn turn(&self, who: Who, cost: Cost) -> Option<Turn> {
        self.turn_from(Instant::now(), who, cost).await
    }

    /// The same for somebody who came at a time.
    async fn turn_from(&self, came: Instant, who: Who, cost: Cost) -> Option<Turn> {
        let coming = {
            let mut state = self.state();
            if let Some(free) = state.free(cost)
                && *free > 0
            {
                *free -= 1;
                return Some(self.held(who, cost));
            }
            state.waiting.retain(|one| !one.wake.is_closed());
            if !state.make_room(who, cost) {
                return None;
            }
            let (wake, coming) = channel();
            state.arrived += 1;
            let due = (came + cost.patience(), state.arrived);
            state.waiting.push(Waiting {
                who,
                cost,
                due,
                wake,
            });
            coming
        };
        coming.await.ok()
    }

    fn held(&self, who: Who, cost: Cost) -> Turn {
        Turn(Some(Held {
            turns: self.clone(),
            who,
            cost,
            since: Instant::now(),
        }))
    }

    /// Counts a turn that is over, and gives it to whoever is next and still waits.
    fn end(&self, who: Who, cost: Cost, took: Duration) {
        let mut state = self.state();
        let (took, now) = (took.as_secs_f64(), Instant::now());
        state.used.add(who.household, took, now);
        if let Some(device) = who.device {
            state.used.add(device, took, now);
        }
        loop {
            let Some(next) = state.next(cost.is_reserved()) else {
                if let Some(free) = state.free(cost) {
                    *free += 1;
                }
                return;
            };
            let mut turn = self.held(next.who, next.cost);
            if let Err(mut gone) = next.wake.send(turn) {
                // This loop gives the turn to the next one; dropping it must not do so again.
                gone.0 = None;
                turn = gone;
                drop(turn);
                continue;
            }
            return;
        }
    }
}

impl State {
    fn free(&mut self, cost: Cost) -> Option<&mut usize> {
        self.free.get_mut(usize::from(cost.is_reserved()))
    }

    /// Takes whoever is next out of those that wait.
    fn next(&mut self, is_reserved: bool) -> Option<Waiting> {
        let (used, now) = (&self.used, Instant::now());
        let key = |one: &Waiting| {
            let [household, device] = [one.who.household, device(one.who)];
            (used.of(household, now), used.of(device, now), one.due)
        };
        let waiting = self.waiting.iter().enumerate();
        let next = waiting
            .filter(|(_, one)| one.cost.is_reserved() == is_reserved)
            .min_by(|(_, a), (_, b)| {
                let (a, b) = (key(a), key(b));
                a.0.total_cmp(&b.0)
                    .then(a.1.total_cmp(&b.1))
                    .then(a.2.cmp(&b.2))
            })
            .map(|(n, _)| n)?;
        Some(self.waiting.swap_remove(next))
    }

    /// Makes room for one more in the queue of its cost, and returns whether there is room. In a full queue the latest
    /// entry of the household, and in it of the device, with the most entries is removed if the newcomer has fewer.
    fn make_room(&mut self, who: Who, cost: Cost) -> bool {
        let same: Vec<(usize, Who, u64)> = self
            .waiting
            .iter()
            .enumerate()
            .filter(|(_, one)| one.cost == cost)
            .map(|(n, one)| (n, one.who, one.due.1))
            .collect();
        if same.len() < cost.most_waiting() {
            return true;
        }
        let of_household = |id: Uuid| same.iter().filter(|one| one.1.household == id).count();
        let of_device = |id: Uuid| same.iter().filter(|one| device(one.1) == id).count();
        let latest = same.iter().max_by_key(|(_, of, arrived)| {
            (of_household(of.household), of_device(device(*of)), *arrived)
        });
        let Some((n, of, _)) = latest.copied() else {
            return false;
        };
        let gives_way = if of.household == who.household {
            of_device(device(of)) > of_device(device(who)) + 1
        } else {
            of_household(of.household) > of_household(who.household) + 1
        };
        if gives_way {
            // The removed request is answered as busy.
            self.waiting.swap_remove(n);
        }
        gives_way
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;
    use actix_web::rt::task::JoinHandle;

    fn who(household: u128, device: u128) -> Who {
        Who {
            household: Uuid::from_u128(household),
            device: Some(Uuid::from_u128(device)),
        }
    }

    const ONE: u128 = 1;
    const OTHER: u128 = 2;

    /// Turns of one at once, one of which is taken, and who got one in order.
    struct Queue {
        turns: Turns,
        begin: Instant,
        order: Arc<Mutex<Vec<&'static str>>>,
        waits: Vec<JoinHandle<bool>>,
    }

    impl Queue {
        async fn new() -> (Self, Turn) {
            let turns = Turns::new(1);
            let first = turns.turn(who(ONE, 1), Cost::Dear).await.unwrap();
            let queue = Self {
                turns,
                begin: Instant::now(),
                order: Arc::default(),
                waits: Vec::new(),
            };
            (queue, first)
        }

        async fn waits(&mut self, name: &'static str, who: Who, cost: Cost, after_ms: u64) {
            let (turns, order) = (self.turns.clone(), Arc::clone(&self.order));
            let came = self.begin + Duration::from_millis(after_ms);
            let there = self.turns.waiting();
            self.waits.push(actix_web::rt::spawn(async move {
                let Some(turn) = turns.turn_from(came, who, cost).await else {
                    return false;
                };
                order.lock().unwrap().push(name);
                // As long as a computation takes.
                actix_web::rt::time::sleep(Duration::from_millis(2)).await;
                drop(turn);
                true
            }));
            for _ in 0..10 {
                if self.turns.waiting() > there {
                    break;
                }
                tokio::task::yield_now().await;
            }
        }

        async fn order(self, first: Turn) -> Vec<&'static str> {
            drop(first);
            for one in self.waits {
                one.await.unwrap();
            }
            self.order.lock().unwrap().clone()
        }
    }

    #[actix_web::test]
    async fn what_is_quick_goes_first_and_what_waited_long_too() {
        let (mut queue, first) = Queue::new().await;
        // The last one comes later than the search lets others go first, and earlier than the supper does.
        let own = who(ONE, 1);
        queue.waits("supper", own, Cost::Dear, 0).await;
        queue.waits("search", own, Cost::Usual, 0).await;
        queue.waits("plan", own, Cost::Cheap, 100).await;
        queue.waits("later plan", own, Cost::Cheap, 400).await;
        let order = queue.order(first).await;
        assert_eq!(order, ["plan", "search", "later plan", "supper"]);
    }

    #[actix_web::test]
    async fn a_household_that_asks_for_much_does_not_hold_up_another() {
        let (mut queue, first) = Queue::new().await;
        for n in 0..6 {
            queue.waits("much", who(ONE, n), Cost::Cheap, 0).await;
        }
        queue.waits("little", who(OTHER, 9), Cost::Dear, 50).await;
        let order = queue.order(first).await;
        let at = order.iter().position(|one| *one == "little").unwrap();
        assert!(at <= 1, "{order:?}");
    }

    #[actix_web::test]
    async fn running_cooks_have_turns_of_their_own() {
        let turns = Turns::new(1);
        let _supper = turns.turn(who(ONE, 1), Cost::Dear).await.unwrap();
        let reading = turns.turn(who(OTHER, 2), Cost::Running);
        let waited = actix_web::rt::time::timeout(Duration::from_secs(5), reading).await;
        assert!(waited.unwrap().is_some());
    }

    #[actix_web::test]
    async fn a_full_queue_has_room_for_whoever_holds_less_of_it() {
        let (mut queue, first) = Queue::new().await;
        let most = Cost::Dear.most_waiting();
        for _ in 0..most {
            queue.waits("many", who(ONE, 1), Cost::Dear, 0).await;
        }
        assert_eq!(queue.turns.waiting(), most);
        // One more of the same is refused; another household is not, and neither is cheaper work.
        assert!(queue.turns.turn(who(ONE, 1), Cost::Dear).await.is_none());
        queue.waits("other", who(OTHER, 2), Cost::Dear, 0).await;
        queue.waits("cheap", who(ONE, 1), Cost::Cheap, 0).await;
        assert_eq!(queue.turns.waiting(), most + 1);
        let order = queue.order(first).await;
        assert_eq!(order.len(), most + 1);
        assert!(order.contains(&"other") && order.contains(&"cheap"));
    }

    #[actix_web::test]
    async fn whoever_goes_away_makes_room() {
        let turns = Turns::new(1);
        let first = turns.turn(who(ONE, 1), Cost::Cheap).await.unwrap();
        let second = turns.clone();
        let second =
            actix_web::rt::spawn(
                async move { second.turn(who(ONE, 1), Cost::Cheap).await.is_some() },
            );
        while turns.waiting() < 1 {
            tokio::task::yield_now().await;
        }
        second.abort();
        while turns.waiting() > 0 {
            tokio::task::yield_now().await;
        }
        let third = turns.clone();
        let third =
            actix_web::rt::spawn(
                async move { third.turn(who(ONE, 1), Cost::Dear).await.is_some() },
            );
        while turns.waiting() < 1 {
            tokio::task::yield_now().await;
        }
        drop(first);
        assert!(third.await.unwrap());
        // All turns are over: the next one is free at once.
        assert!(turns.turn(who(ONE, 1), Cost::Cheap).await.is_some());
    }
}
