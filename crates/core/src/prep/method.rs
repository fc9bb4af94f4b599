//! A method of getting meat ready, as data: tasks with where, how long and why.

use super::ahead::Ahead;
use super::cautions::TWO_HOURS;
use super::coat::coated;
use super::seasoning::Seasoning;
use crate::meat::{Cut, Surface};
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

/// What a picture shows beside a task that hands find hard to do from words.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Shows {
    /// Twine around a roast.
    Tie,
    /// The rod through its middle.
    Rod,
    /// As far to either wall.
    Centre,
    /// Both forks driven in.
    Forks,
    /// A boat of foil, folded.
    Boat,
    /// A bed of slices.
    Bed,
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
    /// What is done in the middle of it: a bag is turned over.
    pub halfway: Option<String>,
    /// What a picture of it shows; nothing where words are enough.
    pub shows: Option<Shows>,
    /// Whether it puts on a layer of the surface: with another surface, another task takes its place.
    pub coats: bool,
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

/// The name of the method that a sentence says, where it is none of the known ones.
pub const SAID: &str = "said";

/// What the layers of a surface take.
pub(super) fn on_it(surface: Surface) -> impl Iterator<Item = Seasoning> {
    let layers = surface.layers().filter(|layer| !layer.dries());
    layers.map(Seasoning::Cover)
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

    /// The same for another surface: its layers as tasks, what it takes, its name. What is done before them
    /// stays; a towel is left out where the surface is as wet as it comes.
    ///
    /// ```
    /// use ember_core::{meat::{CutId, Surface, cut}, prep::methods};
    /// let wing = cut(CutId::PartyWing);
    /// let night = methods(wing).into_iter().find(|one| one.id == "night_bare").unwrap();
    /// let floured = night.on(wing, Surface::FLOURED);
    /// let last: Vec<&str> = floured.tasks.iter().rev().take(2).map(|task| task.name.as_str()).collect();
    /// assert_eq!(last, ["Spray it with oil", "Turn it in flour, shake it off"]);
    /// assert_eq!(floured.name, "salted and bare overnight, then floured and sprayed");
    /// ```
    #[must_use]
    pub fn on(&self, cut: &Cut, surface: Surface) -> Self {
        if surface == self.surface {
            return self.clone();
        }
        let mut tasks = self.tasks.clone();
        let at = tasks
            .iter()
            .position(|task| task.coats)
            .unwrap_or(tasks.len());
        tasks.retain(|task| !task.coats);
        let tail = tasks.split_off(at.min(tasks.len()));
        tasks.extend(coated(surface));
        tasks.extend(tail);
        let mut seasonings = self.seasonings.clone();
        seasonings.retain(|one| one.layer().is_none_or(|layer| !self.surface.has(layer)));
        seasonings.extend(on_it(surface));
        Self {
            id: SAID.to_owned(),
            name: format!("{}, then {}", self.name, surface.words(cut.skin)),
            tasks,
            seasonings,
            surface,
            ..self.clone()
        }
    }

    /// The same with so long on the counter: after the fridge, before what is put on last.
    ///
    /// ```
    /// use ember_core::{meat::{CutId, cut}, prep::methods, units::Interval};
    /// let roast = &methods(cut(CutId::BeefRoast))[1];
    /// let stood = roast.tempered(Interval::from_minutes(45.0));
    /// assert_eq!(stood.time().minutes() - roast.time().minutes(), 45.0);
    /// ```
    #[must_use]
    pub fn tempered(&self, time: Interval) -> Self {
        let in_fridge = |task: &Task| task.place == Place::Fridge;
        let after = self.tasks.iter().rposition(in_fridge).map_or(0, |n| n + 1);
        let mut tasks = self.tasks.clone();
        let minutes = time.minutes();
        let stand = Task::wait(
            "Let it stand on the counter",
            Place::Counter,
            [minutes; 3],
            "so that the inside is not left behind the outside; see in the plan what it really does",
        )
        .known_to_the_surface()
        .with_caution(TWO_HOURS);
        tasks.insert(after, stand);
        Self {
            tasks,
            ..self.clone()
        }
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
            halfway: None,
            shows: None,
            coats: false,
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

    /// The same where the surface says already what it does to the meat.
    pub(super) const fn known_to_the_surface(mut self) -> Self {
        self.ahead = None;
        self
    }

    /// The same as part of the surface.
    pub(super) const fn coats(mut self) -> Self {
        self.coats = true;
        self
    }

    /// The same with something in the middle of it.
    pub(super) fn halfway(mut self, order: &str) -> Self {
        self.halfway = Some(order.to_owned());
        self
    }

    /// The same with a picture.
    pub(super) const fn shows(mut self, what: Shows) -> Self {
        self.shows = Some(what);
        self
    }

    /// The same with what can hurt.
    pub(super) fn with_caution(mut self, caution: &str) -> Self {
        self.caution = Some(caution.to_owned());
        self
    }
}
