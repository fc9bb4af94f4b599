//! A supper as the solver sees it: dishes of tasks, places with their levels, hands.

use crate::units::Interval;

/// A moment: minutes from a beginning that the caller chooses. Whole minutes, as on a kitchen
/// clock; the caller keeps the calendar, so that the rules here are independent of time zones.
pub type Minute = i64;

/// What kind of place it is; its name may be anything.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum PlaceKind {
    /// An air fryer or an oven.
    Machine,
    /// The rings of the hob.
    Hob,
    /// The shelves of the fridge.
    Fridge,
}

/// A place that holds a number of things at once: a cavity, the rings of a hob, a shelf.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Resource {
    /// What it is.
    pub kind: PlaceKind,
    /// The cook's word.
    pub name: String,
    /// Things it holds at once.
    pub levels: u32,
}

/// Where a task stands, by the number of the resource, and how much of it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Stand {
    /// Number in [`Supper::resources`].
    pub resource: usize,
    /// How many of its levels.
    pub takes: u32,
}

/// A moment within a task that needs hands.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct HandsOn {
    /// From the beginning of the task, min.
    pub at: Minute,
    /// How long, min.
    pub lasts: Minute,
    /// What, in the cook's words.
    pub what: String,
    /// The steps of the cook's plan that it covers, by their numbers; empty outside a cook.
    pub steps: Vec<usize>,
}

/// Which of the tasks of a dish: the same for as long as it is the same task, whatever is added
/// before it. Written as `prepare:salt-them`, `step:boil-the-beans`, `cook`.
///
/// ```
/// use ember_core::schedule::TaskKey;
/// for key in ["prepare:salt-them", "step:boil-the-beans", "cook", "rest", "#2"] {
///     assert_eq!(TaskKey::read(key).unwrap().to_string(), key);
/// }
/// assert_eq!(TaskKey::read("sing"), None);
/// ```
#[derive(Debug, Clone, PartialEq, Eq, Hash)]
pub enum TaskKey {
    /// Something done to the meat before the heat.
    Prepare(String),
    /// A step of a side dish.
    Step(String),
    /// The time in the machine.
    Cook,
    /// The rest.
    Rest,
    /// The finish after the rest.
    Finish,
    /// Of a supper stored before tasks had keys: the task of this number.
    Numbered(usize),
}

impl TaskKey {
    /// From its written form; nothing for anything else.
    #[must_use]
    pub fn read(text: &str) -> Option<Self> {
        Some(match text.split_once(':') {
            Some(("prepare", what)) => Self::Prepare(what.to_owned()),
            Some(("step", what)) => Self::Step(what.to_owned()),
            Some(_) => return None,
            None => match text {
                "cook" => Self::Cook,
                "rest" => Self::Rest,
                "finish" => Self::Finish,
                other => Self::Numbered(other.strip_prefix('#')?.parse().ok()?),
            },
        })
    }

    /// The key of something done before the heat, from its name.
    pub(super) fn preparing(name: &str) -> Self {
        Self::Prepare(hyphened(name))
    }

    /// The key of a step of a side dish, from its name.
    pub(super) fn step(name: &str) -> Self {
        Self::Step(hyphened(name))
    }
}

fn hyphened(name: &str) -> String {
    let words = name.to_lowercase();
    let words = words.split(|c: char| !c.is_alphanumeric());
    let words: Vec<&str> = words.filter(|word| !word.is_empty()).collect();
    words.join("-")
}

impl std::fmt::Display for TaskKey {
    fn fmt(&self, f: &mut std::fmt::Formatter) -> std::fmt::Result {
        match self {
            Self::Prepare(what) => write!(f, "prepare:{what}"),
            Self::Step(what) => write!(f, "step:{what}"),
            Self::Cook => f.write_str("cook"),
            Self::Rest => f.write_str("rest"),
            Self::Finish => f.write_str("finish"),
            Self::Numbered(number) => write!(f, "#{number}"),
        }
    }
}

/// Something of a dish that takes time.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct Task {
    /// Which of the dish's.
    pub key: TaskKey,
    /// What, in the cook's words.
    pub name: String,
    /// Where; nothing for the counter.
    pub stand: Option<Stand>,
    /// At least, at best, at most, min.
    pub lasts: [Minute; 3],
    /// Longest wait until the next task of the dish begins, min.
    pub wait: Minute,
    /// When hands are needed.
    pub hands: Vec<HandsOn>,
}

/// The loss of a finished dish that waits.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Waiting {
    /// Time without a loss, min.
    pub free: Minute,
    /// Loss for each minute after that.
    pub per_minute: f64,
    /// Cannot wait longer, min: it is cold, or no longer safe.
    pub longest: Minute,
}

/// A cook or a side dish.
#[derive(Debug, Clone, PartialEq)]
pub struct Dish {
    /// The cook's name for it.
    pub name: String,
    /// In order; each begins when the one before is done. The last ends when the dish is ready.
    pub tasks: Vec<Task>,
    /// What it loses once it is ready.
    pub waiting: Waiting,
}

/// When it should be on the table.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Serve {
    /// At this minute.
    At(Minute),
    /// Hands are free from this minute on; a rest may end later.
    LeaveBy(Minute),
    /// As soon as it can be, from now.
    Soonest,
}

/// A task that has begun, or is done: nothing moves it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Begun {
    /// Number of the dish.
    pub dish: usize,
    /// Number of its task.
    pub task: usize,
    /// When it began.
    pub start: Minute,
    /// When it ends, as is known now.
    pub end: Minute,
}

/// A task of a dish, by numbers.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct TaskAt {
    /// Number of the dish.
    pub dish: usize,
    /// Number of its task.
    pub task: usize,
}

/// A moment of a task.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Edge {
    /// When it begins.
    Start,
    /// When it ends.
    End,
}

/// A task of one dish that waits for a task of another: puddings for the joint to be out, gravy for its
/// drippings, potatoes for the minute at which they join.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Link {
    /// What waits.
    pub task: TaskAt,
    /// For what.
    pub after: TaskAt,
    /// For which moment of it.
    pub edge: Edge,
    /// Least time from that moment to its beginning, min.
    pub lag: Minute,
    /// Greatest time from that moment to its beginning, min; `None` without a limit.
    pub most: Option<Minute>,
}

impl Link {
    /// The span in which the later task may begin, given the place of the earlier one.
    pub(super) fn span(&self, at: Placed) -> [Minute; 2] {
        let moment = match self.edge {
            Edge::Start => at.start,
            Edge::End => at.end,
        };
        let first = moment + self.lag;
        [
            first,
            self.most.map_or(Minute::MAX / 4, |most| first + most),
        ]
    }

    /// The span in which the earlier task of this length may begin, given the beginning of the later one.
    pub(super) fn span_before(&self, begins: Minute, length: Minute) -> [Minute; 2] {
        let edge = match self.edge {
            Edge::Start => 0,
            Edge::End => length,
        };
        let last = begins - self.lag - edge;
        [self.most.map_or(Minute::MIN / 4, |most| last - most), last]
    }
}

/// Everything that is wanted.
#[derive(Debug, Clone, PartialEq)]
pub struct Supper {
    /// When.
    pub serve: Serve,
    /// Nothing begins before.
    pub now: Minute,
    /// Places.
    pub resources: Vec<Resource>,
    /// Pairs of hands.
    pub hands: u32,
    /// No hands in these: from, to.
    pub quiet: Vec<(Minute, Minute)>,
    /// What is cooked.
    pub dishes: Vec<Dish>,
    /// Which of their tasks wait for one another.
    pub links: Vec<Link>,
    /// What has begun.
    pub begun: Vec<Begun>,
    /// Where tasks stood before a change: moved as little as possible. By dish and task.
    pub before: Vec<Vec<Placed>>,
}

/// A dish made otherwise: crowded into one batch, got ready more quickly, in another machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Instead {
    /// Number of the dish in [`Supper::dishes`].
    pub dish: usize,
    /// As it would be.
    pub made: Dish,
}

/// A task in its place.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub struct Placed {
    /// From.
    pub start: Minute,
    /// To.
    pub end: Minute,
}

/// Every task in its place.
#[derive(Debug, Clone, PartialEq)]
pub struct Schedule {
    /// When it is served.
    pub serve: Minute,
    /// By dish and task.
    pub dishes: Vec<Vec<Placed>>,
    /// What the eaters lose by waiting, all together.
    pub loss: f64,
    /// Whether every order was looked at; false when the search was cut short.
    pub proven: bool,
}

/// Something that cannot be, with what is in the way.
#[derive(Debug, Clone, PartialEq, thiserror::Error)]
pub enum Infeasibility {
    /// A dish alone does not fit between now and then.
    #[error(
        "{dish}: {} are needed and there are {}; eat later, or take a quicker way",
        spoken(*needs), spoken(*left)
    )]
    TooLate {
        /// The dish.
        dish: String,
        /// What it needs at least, min.
        needs: Minute,
        /// The remaining time, min.
        left: Minute,
    },
    /// Dishes do not fit beside one another in a place.
    #[error("there is no room for everything in {place}")]
    NoRoom {
        /// The place.
        place: String,
    },
    /// Too much is to be done at once.
    #[error("there are too many tasks at once")]
    Hands,
    /// A task would fall into the quiet hours.
    #[error("something would have to be done in the hours in which nobody works")]
    Quiet,
    /// Several of these at once.
    #[error("there is too little room, time and hands for everything together")]
    Together,
}

/// Minutes as they are said.
fn spoken(minutes: Minute) -> String {
    let minutes = minutes.max(0);
    match (minutes / 60, minutes % 60) {
        (0, minutes) => format!("{minutes} min"),
        (hours, 0) => format!("{hours} h"),
        (hours, minutes) => format!("{hours} h {minutes} min"),
    }
}

impl Waiting {
    /// The loss by waiting for this many minutes, or `None` where it cannot wait.
    ///
    /// ```
    /// use ember_core::schedule::Waiting;
    /// let wings = Waiting { free: 2, per_minute: 1.0, longest: 30 };
    /// assert_eq!([wings.loss(1), wings.loss(7), wings.loss(31)], [Some(0.0), Some(5.0), None]);
    /// ```
    #[must_use]
    pub fn loss(&self, minutes: Minute) -> Option<f64> {
        (minutes <= self.longest).then(|| (minutes - self.free).max(0) as f64 * self.per_minute)
    }
}

impl Dish {
    /// The least it takes from its first task to the last, min.
    #[must_use]
    pub fn shortest(&self) -> Minute {
        self.tasks.iter().map(|task| task.lasts[0]).sum()
    }

    /// Its length after the last moment of hands, at best, min.
    ///
    /// ```
    /// use ember_core::schedule::*;
    /// let task = |lasts, hands| Task {
    ///     key: TaskKey::Cook, name: "task".to_owned(), stand: None, lasts: [lasts; 3], wait: 0, hands,
    /// };
    /// let pull = HandsOn { at: 38, lasts: 2, what: "take it out".to_owned(), steps: vec![] };
    /// let waiting = Waiting { free: 0, per_minute: 1.0, longest: 60 };
    /// let tasks = vec![task(40, vec![pull]), task(15, vec![])];
    /// let roast = Dish { name: "roast".to_owned(), tasks, waiting };
    /// // By hand: out of the machine at 40, then 15 min of rest.
    /// assert_eq!(roast.unattended(), 15);
    /// ```
    #[must_use]
    pub fn unattended(&self) -> Minute {
        let mut alone = 0;
        for task in self.tasks.iter().rev() {
            let ends = task.hands.iter().map(|moment| moment.at + moment.lasts);
            match ends.max() {
                Some(end) => return alone + (task.lasts[1] - end).max(0),
                None => alone += task.lasts[1],
            }
        }
        alone
    }
}

impl Schedule {
    /// When the first task begins.
    #[must_use]
    pub fn begins(&self) -> Minute {
        let starts = self.dishes.iter().flatten().map(|placed| placed.start);
        starts.min().unwrap_or(self.serve)
    }
}

/// Whole minutes of an interval, rounded up: nothing is done early.
#[must_use]
pub fn whole_minutes(time: Interval) -> Minute {
    time.minutes().ceil() as Minute
}
