//! Side dishes as chains of steps: where each is done, how long it takes, what it waits for, how well the dish
//! waits when it is ready.

mod library;

pub use library::{SideEntry, library};

use crate::recipe::Recipe;
use crate::units::bounds::SETTING;
use crate::units::{Interval, Mass, Temperature, Unfit};

/// Where a step is done.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Site {
    /// On the counter.
    Counter,
    /// On a ring of the hob.
    Hob,
    /// In the fridge.
    Fridge,
    /// Alone in the machine.
    Machine,
    /// In the machine, beside the meat.
    Beside,
}

/// When a step begins.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Starts {
    /// After the step before it.
    Next,
    /// No sooner than the meat is out of the machine: the machine is free then, and its drippings are there.
    MeatOut,
    /// Beside the meat: so that it is there for its own time until the meat is out.
    LastMinutes,
    /// Beside the meat: when the dial is turned down after a hot start.
    TurnedDown,
    /// Beside the meat: at a minute from loading.
    At(Interval),
}

/// A step of a side dish.
#[derive(Debug, Clone, PartialEq)]
pub struct SideStep {
    /// What, as an order.
    pub what: String,
    /// Where.
    pub site: Site,
    /// When.
    pub starts: Starts,
    /// Hands at its beginning.
    pub work: Interval,
    /// How long it takes, hands included: at least, at best, at most.
    pub lasts: [Interval; 3],
    /// How long it may wait for the next step.
    pub waits: Interval,
    /// The dial, where it is alone in the machine; absent for as hot as it goes.
    pub setting: Option<Temperature>,
    /// What is done in the middle of it: shaken, stirred.
    pub halfway: Option<String>,
}

/// How well a dish waits when it is ready.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Patience {
    /// It loses next to nothing: what is cold, what is covered.
    Well,
    /// It loses a little.
    Fairly,
    /// It is limp or fallen in minutes.
    Badly,
}

/// A side dish.
#[derive(Debug, Clone, PartialEq)]
pub struct Side {
    /// The cook's name for it.
    pub name: String,
    /// In order.
    pub steps: Vec<SideStep>,
    /// How well it waits.
    pub patience: Patience,
    /// How long it can wait at all.
    pub keeps: Interval,
    /// Weight of all of it; absent where it does not matter.
    pub mass: Option<Mass>,
    /// What goes into it.
    pub recipe: Option<Recipe>,
}

/// Steps of a side dish, at the most.
pub const MOST_SIDE_STEPS: usize = 10;
/// Letters of a side's name, at the most.
pub const SIDE_NAME: usize = 60;
/// Letters of a step, at the most.
pub const SIDE_STEP: usize = 120;
/// The longest a step takes, h.
const LONGEST: f64 = 24.0;

impl Patience {
    /// What it loses a minute, against the waits of meat.
    #[must_use]
    pub const fn loses(self) -> f64 {
        match self {
            Self::Well => 0.02,
            Self::Fairly => 0.4,
            Self::Badly => 1.5,
        }
    }
}

impl Side {
    /// Accepts a side dish that can be made.
    ///
    /// ```
    /// use ember_core::side::library;
    /// let mut beans = library()[3].side.clone();
    /// assert!(beans.check().is_ok());
    /// beans.steps.clear();
    /// assert_eq!(
    ///     beans.check().unwrap_err().to_string(),
    ///     "green beans has 1 to 10 steps, this one 0",
    /// );
    /// ```
    ///
    /// # Errors
    /// [`Unfit`] with what is wrong.
    pub fn check(&self) -> Result<(), Unfit> {
        Unfit::unless_word("side.name", "a side's name", &self.name, SIDE_NAME)?;
        let name = &self.name;
        let many = self.steps.len();
        if !(1..=MOST_SIDE_STEPS).contains(&many) {
            let detail = format!("{name} has 1 to {MOST_SIDE_STEPS} steps, this one {many}");
            return Err(Unfit::new("side.steps", detail));
        }
        self.within("side.keeps_s", "can wait", self.keeps)?;
        for step in &self.steps {
            self.check_step(step)?;
        }
        let beside = |step: &&SideStep| step.site == Site::Beside;
        if self.steps.iter().filter(beside).count() > 1 {
            let detail =
                format!("{name} joins the meat more than once; one step beside it is enough");
            return Err(Unfit::new("side.steps", detail));
        }
        if let Some(recipe) = &self.recipe {
            recipe.check()?;
        }
        Ok(())
    }

    fn within(&self, field: &'static str, what: &str, time: Interval) -> Result<(), Unfit> {
        let hours = time.minutes() / 60.0;
        if (0.0..=LONGEST).contains(&hours) {
            return Ok(());
        }
        Err(Unfit::new(
            field,
            format!(
                "{} {what} {hours:.1} h, not within 0-{LONGEST:.0} h; make it the day before",
                self.name
            ),
        ))
    }

    fn check_step(&self, step: &SideStep) -> Result<(), Unfit> {
        Unfit::unless_word("side.steps", "a step", &step.what, SIDE_STEP)?;
        let refuse = |detail: String| Err(Unfit::new("side.steps", detail));
        let (name, what) = (&self.name, &step.what);
        let [shortest, best, longest] = step.lasts;
        for time in [step.work, shortest, best, longest, step.waits] {
            self.within("side.steps", "takes", time)?;
        }
        if shortest > best || best > longest {
            return refuse(format!(
                "{name}, {what}: the best time lies between the shortest and the longest"
            ));
        }
        if step.work > shortest {
            return refuse(format!(
                "{name}, {what}: hands are at work for no longer than it takes"
            ));
        }
        if let Starts::At(at) = step.starts {
            self.within("side.steps", "joins after", at)?;
        }
        let joins = matches!(
            step.starts,
            Starts::LastMinutes | Starts::TurnedDown | Starts::At(_)
        );
        if joins != (step.site == Site::Beside) {
            return refuse(format!(
                "{name}, {what}: what cooks beside the meat joins it at a minute, and nothing else does"
            ));
        }
        if let Some(setting) = step.setting {
            if step.site != Site::Machine {
                return refuse(format!(
                    "{name}, {what}: only what is alone in the machine has a setting"
                ));
            }
            if let Err(error) = SETTING.check(setting.celsius()) {
                return refuse(format!("{name}, {what}: {error}"));
            }
        }
        if let Some(order) = &step.halfway {
            Unfit::unless_word("side.steps", "what is done half-way", order, SIDE_STEP)?;
        }
        Ok(())
    }

    /// The step beside the meat, with its number.
    pub(crate) fn beside(&self) -> Option<(usize, &SideStep)> {
        let mut steps = self.steps.iter().enumerate();
        steps.find(|(_, step)| step.site == Site::Beside)
    }

    /// Whether it needs the machine of a cook, or what comes out of it.
    #[must_use]
    pub fn goes_with_a_cook(&self) -> bool {
        self.steps.iter().any(|step| {
            matches!(step.site, Site::Beside | Site::Machine) || step.starts != Starts::Next
        })
    }

    /// For so many eaters, where its recipe says for how many it is.
    ///
    /// ```
    /// use ember_core::side::library;
    /// let potatoes = &library()[0].side;
    /// let six = potatoes.for_eaters(6);
    /// let ratio = six.mass.unwrap().grams() / potatoes.mass.unwrap().grams();
    /// assert!((ratio - 1.5).abs() < 1e-9);
    /// ```
    #[must_use]
    pub fn for_eaters(&self, eaters: u32) -> Self {
        let Some(serves) = self.recipe.as_ref().and_then(|recipe| recipe.serves) else {
            return self.clone();
        };
        self.scaled(f64::from(eaters) / f64::from(serves))
    }

    /// The same, of everything so many times as much.
    pub(crate) fn scaled(&self, times: f64) -> Self {
        Self {
            mass: self.mass.map(|mass| Mass::from_grams(mass.grams() * times)),
            recipe: self.recipe.as_ref().map(|recipe| recipe.scaled(times)),
            ..self.clone()
        }
    }
}
