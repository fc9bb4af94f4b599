//! What a cook reports of a supper under way: that a task has begun, that a moment of it is done, or
//! that it takes longer. Reports are facts and are only added; what they come to is folded here.

use super::before::Before;
use super::wish::{ALL, BegunTask};
use crate::schedule::{Minute, TaskKey};

/// Later is so many minutes later.
const PUT_OFF: Minute = 5;

/// What is reported.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Reported {
    /// The task begins now.
    Begun,
    /// The moment is done, and the task with it where nothing of it is left to wait for.
    Done,
    /// It takes five minutes more, or begins five minutes later.
    Later,
}

/// A report about a moment of hands.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Report {
    /// Identity of the dish.
    pub dish: String,
    /// Which of its tasks.
    pub task: TaskKey,
    /// Which of the task's moments, from 0.
    pub moment: u32,
    /// When that moment ends by the schedule, where it has one.
    pub moment_end: Option<Minute>,
    /// What.
    pub what: Reported,
    /// When.
    pub at: Minute,
}

/// What has begun once a report is taken in, by the schedule that stood when it was made. A report
/// about a task that is not there changes nothing.
///
/// ```
/// use ember_core::schedule::{Placed, TaskKey};
/// use ember_core::supper::*;
/// let stood = Before::new(vec![("1".to_owned(), vec![
///     (TaskKey::Prepare("salt".to_owned()), Placed { start: 0, end: 5 }),
///     (TaskKey::Cook, Placed { start: 20, end: 50 }),
/// ])]);
/// let loaded = Report {
///     dish: "1".to_owned(), task: TaskKey::Cook, moment: 0, moment_end: Some(23),
///     what: Reported::Begun, at: 26,
/// };
/// let begun = report(&[], &stood, &loaded);
/// // What came before is done with it; the cook is as long as planned, from when it went in.
/// assert_eq!((begun[0].start, begun[0].end), (0, 5));
/// assert_eq!((begun[1].start, begun[1].end, begun[1].moments), (26, 56, 1));
/// // "Done already" of its first moment ends that moment, not the cook.
/// let preheated = Report { what: Reported::Done, ..loaded.clone() };
/// let cook = &report(&[], &stood, &preheated)[1];
/// assert_eq!((cook.start, cook.end, cook.moments), (23, 53, 1));
/// // The same again moves nothing.
/// let twice = Report { at: 31, ..loaded };
/// assert_eq!(report(&begun, &stood, &twice), begun);
/// ```
#[must_use]
pub fn report(begun: &[BegunTask], stood: &Before, report: &Report) -> Vec<BegunTask> {
    let tasks = stood.tasks(&report.dish);
    let Some((number, (key, placed))) = tasks
        .iter()
        .enumerate()
        .find(|(_, (key, _))| *key == report.task)
    else {
        return begun.to_vec();
    };
    let of_this = |one: &&BegunTask| one.dish == report.dish;
    let known = |key: &TaskKey| begun.iter().filter(of_this).find(|one| one.task == *key);
    let own = known(key);
    // What has begun is where it began, also where the schedule that was seen knew that not yet.
    let (start, end) = own.map_or((placed.start, placed.end), |one| (one.start, one.end));
    let done = own.map_or(0, |one| one.moments);
    let under_way = done > 0;
    let (start, end, moments) = match report.what {
        Reported::Begun if under_way => return begun.to_vec(),
        Reported::Begun => (report.at, report.at + end - start, report.moment + 1),
        Reported::Later if under_way => (start, end + PUT_OFF, done),
        Reported::Later => {
            let from = report.at.max(start) + PUT_OFF;
            (from, from + end - start, 0)
        }
        Reported::Done if report.moment < done => return begun.to_vec(),
        // One of its moments: the task goes on.
        Reported::Done if under_way && is_before(report.moment_end, end) => {
            (start, end, report.moment + 1)
        }
        // A moment of a cook that nobody told the beginning of: it ends now, and the cook goes on. What
        // waits after other work, a salting, may be over with it.
        Reported::Done if *key == TaskKey::Cook && is_before(report.moment_end, end) => {
            let before = report.moment_end.map_or(0, |moment_end| moment_end - start);
            let from = report.at - before;
            (from, from + end - start, report.moment + 1)
        }
        Reported::Done => (start.min(report.at), report.at, ALL),
    };
    // What came before in this dish is done, and what was under way is over, unless this is only put off.
    let before = tasks
        .get(..if moments > 0 { number } else { 0 })
        .unwrap_or_default();
    let earlier: Vec<BegunTask> = before
        .iter()
        .map(|(key, placed)| {
            let told = known(key).filter(|one| one.moments > 0);
            (
                key,
                told.map_or((placed.start, placed.end, false), |one| {
                    (one.start, one.end, true)
                }),
            )
        })
        .filter(|(_, (_, end, told))| !told || *end > start)
        .map(|(key, (from, end, _))| BegunTask {
            dish: report.dish.clone(),
            task: key.clone(),
            start: from.min(start),
            end: end.min(start),
            moments: ALL,
        })
        .collect();
    let replaced = |one: &BegunTask| {
        one.dish == report.dish
            && (one.task == *key || earlier.iter().any(|other| other.task == one.task))
    };
    let mut now: Vec<BegunTask> = begun.iter().filter(|one| !replaced(one)).cloned().collect();
    now.extend(earlier.iter().cloned());
    now.push(BegunTask {
        dish: report.dish.clone(),
        task: key.clone(),
        start,
        end: end.max(start),
        moments,
    });
    now
}

fn is_before(moment_end: Option<Minute>, end: Minute) -> bool {
    moment_end.is_some_and(|moment_end| moment_end < end)
}
