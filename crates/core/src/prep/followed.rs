//! Preparation as it is followed: what is done, what is under way, when the next thing begins.

use super::method::Method;

/// What a cook reports of a task: that it begins, or that it is done.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Prepared {
    /// Number of the task, from 0.
    pub task: usize,
    /// Whether it is done; else it begins.
    pub done: bool,
    /// When, s.
    pub at: f64,
}

/// A task with where it stands. Times are in seconds, from a beginning that the caller chooses.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Standing {
    /// When it should begin; nothing where no time is known and nothing has begun.
    pub due: Option<f64>,
    /// When it began.
    pub begun: Option<f64>,
    /// When it is over, at best: by when it began, or by when it should.
    pub over: Option<f64>,
    /// When it was done.
    pub done: Option<f64>,
}

/// Where the tasks of a method stand, by what was reported in this order, so that all is done at `ready`
/// where that is known. What comes before something reported is done; a task begins no sooner than the one
/// before it is over.
///
/// ```
/// use ember_core::{meat::{CutId, cut}, prep::{Prepared, follow, methods}};
/// let towel = &methods(cut(CutId::Drumstick))[1];
/// // By hand: 3 min of the towel and 4 of the rub before minute 60; the towel began 5 min late.
/// let ready = Some(3600.0);
/// let asked = follow(towel, &[], ready);
/// assert_eq!((asked[0].due, asked[1].due), (Some(3600.0 - 420.0), Some(3600.0 - 240.0)));
/// let late = Prepared { task: 0, done: false, at: 3480.0 };
/// let stands = follow(towel, &[late], ready);
/// assert_eq!((stands[0].over, stands[1].due), (Some(3660.0), Some(3660.0)));
/// let done = follow(towel, &[late, Prepared { task: 1, done: true, at: 3800.0 }], ready);
/// assert_eq!((done[0].done, done[1].done), (Some(3800.0), Some(3800.0)));
/// ```
#[must_use]
pub fn follow(method: &Method, told: &[Prepared], ready: Option<f64>) -> Vec<Standing> {
    let mut standing = vec![Standing::default(); method.tasks.len()];
    for one in told {
        for (number, task) in standing.iter_mut().enumerate().take(one.task + 1) {
            if number < one.task || one.done {
                task.begun.get_or_insert(one.at);
                task.done.get_or_insert(one.at);
            } else {
                task.begun = Some(one.at);
                task.done = None;
            }
        }
    }
    let mut earliest: Option<f64> = None;
    let before = method.begin_before();
    for ((stands, task), before) in standing.iter_mut().zip(&method.tasks).zip(before) {
        let wanted = ready.map(|ready| ready - before.seconds());
        stands.due = match (wanted, earliest) {
            (Some(wanted), Some(earliest)) => Some(wanted.max(earliest)),
            (wanted, earliest) => wanted.or(earliest),
        };
        let begins = stands.begun.or(stands.due);
        stands.over = stands
            .done
            .or_else(|| begins.map(|begins| begins + task.window.best.seconds()));
        // Nothing is told of it: only what has begun holds back what follows.
        if stands.begun.is_some() || earliest.is_some() {
            earliest = stands.over;
        }
    }
    standing
}
