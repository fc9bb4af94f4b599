//! What the cook makes himself for the meat, a rub, a marinade, a sauce, by the steps of its recipe: tasks of
//! the preparation, placed where they are needed.

use super::method::{Method, Place, Task};
use crate::recipe::{Recipe, RecipeKind, RecipeStep};

/// A step of which nobody says how long it takes, min.
const UNSAID: f64 = 3.0;
/// A step from so many minutes on is waited for, after two of work.
const WAITS: f64 = 15.0;

impl Method {
    /// The same with recipes to make: a marinade before everything else, as is a sauce that has to stand; a rub, a
    /// glaze and other sauces right before something goes on the meat. A gravy is made of what drips, and a side
    /// has steps of its own.
    ///
    /// ```
    /// use ember_core::{meat::{CutId, cut}, prep::methods};
    /// use ember_core::recipe::{Item, Recipe, RecipeKind, RecipeStep, Unit};
    /// use ember_core::units::Interval;
    /// let mut rub = Recipe::of("harbour rub", RecipeKind::Rub, vec![Item::new("paprika", 30.0, Unit::Gram)]);
    /// rub.steps = vec![RecipeStep {
    ///     what: "Grind it".to_owned(),
    ///     time: Some(Interval::from_minutes(4.0)),
    /// }];
    /// let towel = methods(cut(CutId::Drumstick))[1].making(&[rub]);
    /// let names: Vec<&str> = towel.tasks.iter().map(|task| task.name.as_str()).collect();
    /// assert_eq!(names, ["Blot every piece dry", "Grind it", "Oil it, then rub it"]);
    /// ```
    #[must_use]
    pub fn making(&self, recipes: &[Recipe]) -> Self {
        let mut tasks = self.tasks.clone();
        for recipe in recipes {
            let steps: Vec<Task> = recipe.steps.iter().map(|step| made(recipe, step)).collect();
            let stands = recipe.steps.iter().any(|step| minutes(step) >= WAITS);
            let coats = tasks
                .iter()
                .position(|task| task.coats)
                .unwrap_or(tasks.len());
            let at = match recipe.kind {
                RecipeKind::Marinade => 0,
                RecipeKind::Sauce | RecipeKind::Glaze if stands => 0,
                RecipeKind::Rub | RecipeKind::Sauce | RecipeKind::Glaze => coats,
                RecipeKind::Gravy | RecipeKind::Side => continue,
            };
            tasks.splice(at..at, steps);
        }
        Self {
            tasks,
            ..self.clone()
        }
    }
}

fn minutes(step: &RecipeStep) -> f64 {
    step.time.map_or(UNSAID, |time| time.minutes())
}

fn made(recipe: &Recipe, step: &RecipeStep) -> Task {
    let place = place_of(&step.what);
    let reason = format!("for the {}, {}", recipe.kind.word(), recipe.name);
    let minutes = minutes(step);
    if minutes >= WAITS {
        Task::wait(&step.what, place, [minutes; 3], &reason).known_to_the_surface()
    } else {
        Task::work(&step.what, place, minutes, &reason)
    }
}

/// Where a step is done, by the words that cooks use for it.
fn place_of(what: &str) -> Place {
    let words = what.to_lowercase();
    let says = |any: &[&str]| any.iter().any(|word| words.contains(word));
    if says(&["fridge", "chill", "refrigerat"]) {
        Place::Fridge
    } else if says(&[
        "simmer", "boil", "melt", "fry", "toast", "heat", "hob", "pan",
    ]) {
        Place::Hob
    } else {
        Place::Bowl
    }
}
