//! What the keeper wrote down: blends, and a way of getting drumsticks ready.

use chrono::{DateTime, Utc};
use diesel::PgConnection;
use ember_core::meat::{CutId, Layer, Surface, cut};
use ember_core::prep::{Method, Seasoning, methods};

use crate::cards;
use crate::dto::method::{BlendDto, OwnMethodDto, OwnTaskDto, PartDto};
use crate::error::ApiError;

/// Puts them into the card box.
pub fn write(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    for blend in [fennel_rub(), caraway_rub()] {
        cards::keep(connection, None, &blend, now)?;
    }
    cards::keep(connection, None, &night_before_the_ferry(), now)?;
    Ok(())
}

/// For the drumsticks of the ferry crew.
pub fn fennel_rub() -> BlendDto {
    blend(
        "lemon and fennel rub",
        &[
            ("fennel seed, crushed", 18.0, false, None),
            ("dried lemon peel", 10.0, false, None),
            ("black pepper", 6.0, false, None),
            ("mustard powder", 6.0, false, Some("mustard")),
            ("fine salt", 10.0, true, None),
        ],
    )
}

fn caraway_rub() -> BlendDto {
    blend(
        "caraway rub for belly",
        &[
            ("caraway, crushed", 20.0, false, None),
            ("dried thyme", 6.0, false, None),
            ("black pepper", 5.0, false, None),
        ],
    )
}

fn blend(name: &str, parts: &[(&str, f64, bool, Option<&str>)]) -> BlendDto {
    BlendDto {
        name: name.to_owned(),
        parts: parts
            .iter()
            .map(|(what, mass_g, salt, allergen)| PartDto {
                what: (*what).to_owned(),
                mass_g: *mass_g,
                salt: *salt,
                allergen: allergen.map(str::to_owned),
            })
            .collect(),
    }
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
