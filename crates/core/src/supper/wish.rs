//! What is wanted for a supper.

use crate::plan::Request;
use crate::prep::Method;
use crate::recipe::Recipe;
use crate::schedule::{Minute, Serve, TaskKey};
use crate::side::Side;

/// Everything that is wanted.
#[derive(Debug, Clone, PartialEq)]
pub struct Wish {
    /// When.
    pub serve: Serve,
    /// Eaters.
    pub eaters: u32,
    /// Pairs of hands.
    pub hands: u32,
    /// Rings of the hob.
    pub rings: u32,
    /// Shelves of the fridge that are free.
    pub shelves: u32,
    /// No hands in these: from, to.
    pub quiet: Vec<(Minute, Minute)>,
    /// What is cooked.
    pub dishes: Vec<WishedDish>,
    /// What has begun or is done.
    pub begun: Vec<BegunTask>,
}

/// A dish that is wanted.
#[derive(Debug, Clone, PartialEq)]
pub struct WishedDish {
    /// Its identity in this supper.
    pub id: String,
    /// What it is.
    pub course: Course,
}

/// A cook or a side dish.
#[derive(Debug, Clone, PartialEq)]
pub enum Course {
    /// Meat in the air fryer.
    Cook(Box<WishedCook>),
    /// What goes with it.
    Side(WishedSide),
}

/// A cook that is wanted.
#[derive(Debug, Clone, PartialEq)]
pub struct WishedCook {
    /// The sentence.
    pub request: Request,
    /// How the meat is got ready.
    pub method: MethodWish,
    /// What goes on the meat by a recipe of the cook's own.
    pub recipes: Vec<Recipe>,
}

/// How the meat is got ready.
#[derive(Debug, Clone, PartialEq)]
pub enum MethodWish {
    /// As the sentence says.
    AsSaid,
    /// The known method of this name.
    Known(String),
    /// The cook's own.
    Own(Box<Method>),
}

/// A side dish that is wanted.
#[derive(Debug, Clone, PartialEq)]
pub struct WishedSide {
    /// What it is, for so many as eat.
    pub side: Side,
    /// The cook it goes with, by the number of its dish: whose machine it uses, whose meat it waits for.
    pub with: Option<usize>,
}

/// A task that has begun, is done, or is put off: nothing moves it.
#[derive(Debug, Clone, PartialEq, Eq)]
pub struct BegunTask {
    /// Identity of the dish.
    pub dish: String,
    /// Which of its tasks.
    pub task: TaskKey,
    /// When it began.
    pub start: Minute,
    /// When it ends, as is known now.
    pub end: Minute,
    /// How many of its moments of hands are done; none where it is only put off.
    pub moments: u32,
}

impl Wish {
    /// A dish that is a cook, by its number.
    pub(super) fn cook(&self, number: usize) -> Option<&WishedCook> {
        match &self.dishes.get(number)?.course {
            Course::Cook(cook) => Some(cook),
            Course::Side(_) => None,
        }
    }

    /// A dish that is a side, by its number.
    pub(super) fn side(&self, number: usize) -> Option<&WishedSide> {
        match &self.dishes.get(number)?.course {
            Course::Side(side) => Some(side),
            Course::Cook(_) => None,
        }
    }

    /// All sides.
    pub(super) fn sides(&self) -> impl Iterator<Item = &WishedSide> {
        (0..self.dishes.len()).filter_map(|number| self.side(number))
    }

    /// What was reported of a task, by the number of its dish.
    fn begun_task(&self, number: usize, task: &TaskKey) -> Option<&BegunTask> {
        let id = &self.dishes.get(number)?.id;
        let mut begun = self.begun.iter();
        begun.find(|one| one.dish == *id && one.task == *task)
    }

    /// How many moments of a task that has begun are done.
    pub(super) fn moments_done(&self, number: usize, task: &TaskKey) -> Option<u32> {
        let begun = self.begun_task(number, task)?;
        (begun.moments > 0).then_some(begun.moments)
    }
}

/// More moments than a task has: it is done.
pub const ALL: u32 = 99;
