//! What the keeper wrote down: recipes, and a way of getting drumsticks ready.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::meat::{CutId, Layer, Surface, cut};
use ember_core::prep::{Method, Seasoning, methods};
use ember_core::recipe::{Item, Recipe, RecipeKind, RecipeStep, Unit};
use ember_core::units::Interval;

use crate::cards;
use crate::dto::method::{OwnMethodDto, OwnTaskDto};
use crate::dto::recipe::RecipeDto;
use crate::error::ApiError;

/// Puts them into the card box.
pub fn write(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    for recipe in [fennel_rub(), caraway_rub(), marmalade_glaze()] {
        cards::keep(connection, None, &recipe, now)?;
    }
    cards::keep(connection, None, &night_before_the_ferry(), now)?;
    Ok(())
}

/// For the drumsticks of the ferry crew.
pub fn fennel_rub() -> RecipeDto {
    RecipeDto::from(&Recipe::of(
        "lemon and fennel rub",
        RecipeKind::Rub,
        vec![
            Item::new("fennel seed, crushed", 3.0, Unit::Tablespoon),
            Item::new("dried lemon peel", 10.0, Unit::Gram),
            Item::new("black pepper", 2.5, Unit::Teaspoon),
            Item::new("mustard powder", 1.0, Unit::Tablespoon),
            Item::new("fine salt", 10.0, Unit::Gram),
        ],
    ))
}

fn caraway_rub() -> RecipeDto {
    RecipeDto::from(&Recipe::of(
        "caraway rub for belly",
        RecipeKind::Rub,
        vec![
            Item::new("caraway, crushed", 3.0, Unit::Tablespoon),
            Item::new("dried thyme", 2.0, Unit::Tablespoon),
            Item::new("black pepper", 2.0, Unit::Teaspoon),
        ],
    ))
}

/// For the ribs.
fn marmalade_glaze() -> RecipeDto {
    RecipeDto::from(&Recipe {
        steps: vec![RecipeStep {
            what: "Warm everything in a small pan until it runs, let it cool".to_owned(),
            time: Some(Interval::from_minutes(5.0)),
        }],
        notes: "Double the vinegar with sweet marmalade.".to_owned(),
        ..Recipe::of(
            "marmalade glaze",
            RecipeKind::Glaze,
            vec![
                Item::new("bitter orange marmalade", 4.0, Unit::Tablespoon),
                Item::new("cider vinegar", 1.0, Unit::Tablespoon),
                Item::new("mustard", 1.0, Unit::Teaspoon),
            ],
        )
    })
}

/// The method of a night in the fridge, with the island's times.
pub fn night_before_the_ferry() -> OwnMethodDto {
    let method = methods(cut(CutId::Drumstick))
        .into_iter()
        .find(|method| method.id == "night_bare");
    let tasks = method.map_or_else(Vec::new, |Method { tasks, .. }| tasks);
    OwnMethodDto {
        cut: CutId::Drumstick.into(),
        name: "the night before the ferry".to_owned(),
        reason: "Salted after the evening's washing-up, and dry by the time the boat is in."
            .to_owned(),
        tasks: tasks.iter().map(OwnTaskDto::from).collect(),
        seasonings: [
            Seasoning::Salt(0.012),
            Seasoning::Cover(Layer::Rub),
            Seasoning::Cover(Layer::Spray),
        ]
        .iter()
        .map(Into::into)
        .collect(),
        surface: Surface::RUBBED.into(),
    }
}
