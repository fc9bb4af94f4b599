//! Ending a long computation early: because its caller stopped waiting, or because it has taken
//! long enough.
//!
//! The core reads no clock and knows no network; whoever does says so through a [`Stop`]. It is
//! looked at in the two places where time is spent, a step of a cook ([`crate::fryer::Run`]) and a
//! place tried for a dish (`ember_core::schedule`). It belongs to the thread for as long as the work
//! runs, since forty functions between a question and those two places have no use for it.

use std::cell::RefCell;
use std::sync::Arc;
use std::sync::atomic::{AtomicU8, Ordering};

const GO_ON: u8 = 0;
const FINISH_UP: u8 = 1;
const STOP: u8 = 2;

/// A request to end a computation; every clone is the same request.
///
/// ```
/// use ember_model::stop::Stop;
/// let stop = Stop::default();
/// assert_eq!(stop.during(|| 2 + 2), Some(4));
/// stop.stop();
/// // Nothing that was computed meanwhile is of any use, so nothing is answered.
/// assert_eq!(stop.during(|| 2 + 2), None);
/// ```
#[derive(Debug, Clone, Default)]
pub struct Stop(Arc<AtomicU8>);

thread_local! {
    static OF_THIS_THREAD: RefCell<Stop> = RefCell::new(Stop::default());
}

impl Stop {
    /// Tells that the caller stopped waiting.
    pub fn stop(&self) {
        self.0.store(STOP, Ordering::Relaxed);
    }

    /// It has taken long enough: a search ends with the best that it has found. A single cook goes
    /// on, since half of it answers nothing.
    pub fn finish_up(&self) {
        // Never back from a stop.
        let _ = self
            .0
            .compare_exchange(GO_ON, FINISH_UP, Ordering::Relaxed, Ordering::Relaxed);
    }

    /// Does work that can be ended by this; nothing where it was stopped.
    pub fn during<T>(&self, work: impl FnOnce() -> T) -> Option<T> {
        let before = OF_THIS_THREAD.with(|own| own.replace(self.clone()));
        let restore = Restore(before);
        let answer = work();
        drop(restore);
        (!self.is(STOP)).then_some(answer)
    }

    /// Whether what this thread computes now is of no use: it must not be kept for another answer.
    ///
    /// ```
    /// use ember_model::stop::Stop;
    /// assert!(!Stop::nobody_waits());
    /// let stop = Stop::default();
    /// stop.during(|| {
    ///     stop.stop();
    ///     assert!(Stop::nobody_waits());
    /// });
    /// ```
    #[must_use]
    pub fn nobody_waits() -> bool {
        Self::current().is_stopped()
    }

    /// The one this thread works under, to be handed to a helper of it.
    pub fn current() -> Self {
        OF_THIS_THREAD.with(|own| own.borrow().clone())
    }

    /// Whether the caller of this thread's computation stopped waiting.
    pub fn is_stopped(&self) -> bool {
        self.is(STOP)
    }

    /// Whether a search should end with what it has.
    pub fn should_finish() -> bool {
        OF_THIS_THREAD.with(|own| own.borrow().0.load(Ordering::Relaxed) != GO_ON)
    }

    fn is(&self, what: u8) -> bool {
        self.0.load(Ordering::Relaxed) == what
    }
}

/// Puts back what the thread worked under before, also when the work panics.
struct Restore(Stop);

impl Drop for Restore {
    fn drop(&mut self) {
        OF_THIS_THREAD.with(|own| own.replace(std::mem::take(&mut self.0)));
    }
}
