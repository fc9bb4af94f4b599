//! Recipes as they are stored.

use super::{Document, Upgrade, stored};
use crate::dto::recipe::{ItemDto, RecipeDto, RecipeKindDto, RecipeStepDto, UnitDto};
use serde_json::{Value, json};

stored!(
    /// Something that goes into a recipe.
    Item = ItemDto {
        same what: String,
        same amount: f64,
        same unit: UnitDto,
        #[serde(default)]
        same salt_percent: Option<f64>,
        #[serde(default)]
        same sugar_percent: Option<f64>,
        #[serde(default)]
        same allergens: Option<Vec<String>>,
    }
);

stored!(
    /// Something to do.
    Step = RecipeStepDto {
        same what: String,
        #[serde(default)]
        same time_s: Option<f64>,
    }
);

stored!(
    /// A recipe of the cook's own.
    Recipe = RecipeDto {
        same name: String,
        same kind: RecipeKindDto,
        each items: Vec<Item>,
        #[serde(default)]
        each steps: Vec<Step>,
        #[serde(default)]
        same notes: String,
        #[serde(default)]
        same serves: Option<u32>,
    }
);

/// Version 1 was a blend of spices: parts in grams, of which some were salt and some had an allergen.
fn blend(recipe: &mut Value) {
    let parts = recipe.get("parts").and_then(Value::as_array);
    let items: Vec<Value> = parts
        .into_iter()
        .flatten()
        .map(|part| {
            let salt = part.get("salt") == Some(&Value::Bool(true));
            let allergen = part.get("allergen").filter(|one| !one.is_null());
            json!({
                "what": part.get("what"), "amount": part.get("mass_g"), "unit": "gram",
                "salt_percent": salt.then_some(100.0), "allergens": allergen.map(|one| [one]),
            })
        })
        .collect();
    *recipe = json!({ "name": recipe.get("name"), "kind": "rub", "items": items });
}

impl Document for Recipe {
    const UPGRADES: &'static [Upgrade] = &[blend];
}
