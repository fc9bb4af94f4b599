//! A method of getting meat ready, as data: tasks with where, how long and why.

use super::ahead::Ahead;
use super::quantity::Seasoning;
use crate::meat::Surface;
use crate::units::Interval;

/// Where a task is done.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Place {
    /// On the counter.
    Counter,
    /// In a bowl, on the counter.
    Bowl,
    /// In the fridge.
    Fridge,
    /// On the hob.
    Hob,
}

/// How long a task may last.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Window {
    /// At least.
    pub shortest: Interval,
    /// At best.
    pub best: Interval,
    /// At most.
    pub longest: Interval,
}

/// One thing to do or to let happen; each begins when the one before it is done.
#[derive(Debug, Clone, PartialEq)]
pub struct Task {
    /// What, as an order to the cook.
    pub name: String,
    /// Where.
    pub place: Place,
    /// How long.
    pub window: Window,
    /// Hands at work at its beginning.
    pub hands_on: Interval,
    /// What it does to the meat that the heat model knows, for its best time.
    pub ahead: Option<Ahead>,
    /// Why.
    pub reason: String,
    /// What can hurt.
    pub caution: Option<String>,
}

/// A way of getting meat ready.
#[derive(Debug, Clone, PartialEq)]
pub struct Method {
    /// Stable name.
    pub id: String,
    /// The cook's name for it.
    pub name: String,
    /// Why some do it so.
    pub reason: String,
    /// In order.
    pub tasks: Vec<Task>,
    /// What goes on the meat.
    pub seasonings: Vec<Seasoning>,
    /// How the surface is when it goes in.
    pub surface: Surface,
}

impl Window {
    /// Whether a time lies within it.
    pub(super) fn holds(&self, time: Interval) -> bool {
        self.shortest <= time && time <= self.longest
    }
}

impl Method {
    /// What happens to the meat before it goes in.
    #[must_use]
    pub fn ahead(&self) -> Vec<Ahead> {
        self.tasks.iter().filter_map(|task| task.ahead).collect()
    }

    /// The same with the cook's own times for what it does to the meat; nothing where that is
    /// another way altogether.
    ///
    /// ```
    /// use ember_core::{meat::{CutId, cut}, prep::{Ahead, methods}, units::Interval};
    /// let night = methods(cut(CutId::Drumstick)).into_iter().find(|one| one.id == "night_bare").unwrap();
    /// let long = Interval::from_minutes(20.0 * 60.0);
    /// let own = night.timed(&[Ahead::Blot, Ahead::Uncovered(long), Ahead::Blot]).unwrap();
    /// assert!(own.time() > long);
    /// assert!(night.timed(&[Ahead::Counter(long)]).is_none());
    /// ```
    #[must_use]
    pub fn timed(&self, ahead: &[Ahead]) -> Option<Self> {
        let mut own = self.clone();
        let mut told = ahead.iter();
        for task in &mut own.tasks {
            let Some(known) = &mut task.ahead else {
                continue;
            };
            let asked = told.next()?;
            if std::mem::discriminant(known) != std::mem::discriminant(asked) {
                return None;
            }
            *known = *asked;
            if *asked != Ahead::Blot {
                task.window.best = asked.time();
                if task.window.shortest > asked.time() {
                    task.window.shortest = asked.time();
                }
                if task.window.longest < asked.time() {
                    task.window.longest = asked.time();
                }
            }
        }
        told.next().is_none().then_some(own)
    }

    /// From the first task to the last, at best.
    #[must_use]
    pub fn time(&self) -> Interval {
        Interval::from_seconds(
            self.tasks
                .iter()
                .map(|task| task.window.best.seconds())
                .sum(),
        )
    }

    /// Hands at work, all together.
    #[must_use]
    pub fn hands_on(&self) -> Interval {
        Interval::from_seconds(self.tasks.iter().map(|task| task.hands_on.seconds()).sum())
    }

    /// The same method with the times that a sentence says, where it says times of the same things.
    #[must_use]
    pub fn as_said(&self, ahead: &[Ahead]) -> Self {
        self.timed(ahead).unwrap_or_else(|| self.clone())
    }

    /// How long before all is done each task begins, one after another.
    ///
    /// ```
    /// use ember_core::{meat::{CutId, cut}, prep::methods};
    /// let towel = &methods(cut(CutId::Drumstick))[1];
    /// // Three minutes of the towel, four of the rub.
    /// let minutes = towel.begin_before().into_iter().map(|time| time.minutes());
    /// assert_eq!(minutes.collect::<Vec<_>>(), [7.0, 4.0]);
    /// ```
    #[must_use]
    pub fn begin_before(&self) -> Vec<Interval> {
        let mut left = self.time().seconds();
        self.tasks
            .iter()
            .map(|task| {
                let begins = Interval::from_seconds(left);
                left -= task.window.best.seconds();
                begins
            })
            .collect()
    }
}

impl Task {
    /// A task at work for all of its time.
    pub(super) fn work(name: &str, place: Place, minutes: f64, reason: &str) -> Self {
        let time = Interval::from_minutes(minutes);
        Self {
            name: name.to_owned(),
            place,
            window: Window {
                shortest: time,
                best: time,
                longest: time,
            },
            hands_on: time,
            ahead: None,
            reason: reason.to_owned(),
            caution: None,
        }
    }

    /// Something that is let be: at least, at best and at most so many minutes.
    pub(super) fn wait(
        name: &str,
        place: Place,
        [shortest, best, longest]: [f64; 3],
        reason: &str,
    ) -> Self {
        let ahead = match place {
            Place::Fridge => Ahead::Uncovered,
            Place::Counter | Place::Bowl => Ahead::Counter,
            Place::Hob => Ahead::Parboil,
        };
        Self {
            window: Window {
                shortest: Interval::from_minutes(shortest),
                best: Interval::from_minutes(best),
                longest: Interval::from_minutes(longest),
            },
            hands_on: Interval::from_minutes(2.0),
            ahead: Some(ahead(Interval::from_minutes(best))),
            ..Self::work(name, place, 0.0, reason)
        }
    }

    /// The same, covered.
    pub(super) fn covered(mut self) -> Self {
        self.ahead = Some(Ahead::Covered(self.window.best));
        self
    }

    /// The same with what it does to the meat.
    pub(super) const fn doing(mut self, ahead: Ahead) -> Self {
        self.ahead = Some(ahead);
        self
    }

    /// The same with what can hurt.
    pub(super) fn with_caution(mut self, caution: &str) -> Self {
        self.caution = Some(caution.to_owned());
        self
    }
}
