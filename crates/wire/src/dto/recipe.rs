//! Recipes on the wire.

use ember_core::recipe::{Item, Recipe, RecipeKind, RecipeStep, Unit};
use ember_core::units::Interval;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::error::ApiError;
use crate::pages::page;

/// What a recipe is for.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum RecipeKindDto {
    /// Dry, rubbed on.
    Rub,
    /// Wet, for the meat to lie in.
    Marinade,
    /// Brushed on, or tossed in.
    Sauce,
    /// Sweet and thick, brushed on.
    Glaze,
    /// From what drips.
    Gravy,
    /// Beside the meat.
    Side,
}

/// In what an ingredient is measured.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum UnitDto {
    /// Grams.
    Gram,
    /// Ounces.
    Ounce,
    /// Pounds.
    Pound,
    /// Millilitres.
    Millilitre,
    /// Teaspoons.
    Teaspoon,
    /// Tablespoons.
    Tablespoon,
    /// Cups.
    Cup,
    /// Pieces: cloves, eggs, lemons.
    Piece,
    /// Pinches.
    Pinch,
}

/// Something that goes into a recipe.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ItemDto {
    /// What.
    pub what: String,
    /// How much of its unit.
    pub amount: f64,
    /// In what it is measured.
    pub unit: UnitDto,
    /// What of it is salt, where the cook knows better than the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub salt_percent: Option<f64>,
    /// What of it is sugar, likewise.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub sugar_percent: Option<f64>,
    /// What it brings that some may not eat, likewise; empty for nothing.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub allergens: Option<Vec<String>>,
}

/// Something to do.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RecipeStepDto {
    /// What, as an order.
    pub what: String,
    /// How long it takes; absent where nobody says.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub time_s: Option<f64>,
}

/// A recipe of the cook's own.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RecipeDto {
    /// The cook's name for it.
    pub name: String,
    /// What it is for.
    pub kind: RecipeKindDto,
    /// What goes into it.
    pub items: Vec<ItemDto>,
    /// What to do, in order.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub steps: Vec<RecipeStepDto>,
    /// What to remember.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub notes: String,
    /// For how many it is; absent where that is not how it is counted.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub serves: Option<u32>,
}

/// A recipe of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct KeptRecipeDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// What it is.
    pub recipe: RecipeDto,
}

page!(
    /// Recipes of the kitchen.
    RecipePageDto of KeptRecipeDto
);

/// A recipe weighed.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct WeighedDto {
    /// All of it.
    pub mass_g: f64,
    /// Salt in it.
    pub salt_g: f64,
    /// Sugar in it.
    pub sugar_g: f64,
    /// What of it is sugar.
    pub sugar_percent: f64,
    /// What it brings that some may not eat, each once.
    pub allergens: Vec<String>,
    /// Its ingredients, in order.
    pub items: Vec<WeighedItemDto>,
}

/// An ingredient weighed.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct WeighedItemDto {
    /// How much.
    pub mass_g: f64,
    /// What of it is salt.
    pub salt_percent: f64,
    /// What of it is sugar.
    pub sugar_percent: f64,
    /// What it brings that some may not eat.
    pub allergens: Vec<String>,
}

/// A recipe as text: a page or a file with schema.org's Recipe, or lines as cooks write them.
#[derive(Debug, Clone, PartialEq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct RecipeTextDto {
    /// The text.
    pub text: String,
    /// What it is for, where the text does not say.
    pub kind: RecipeKindDto,
}

/// What was understood of it.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RecipeReadDto {
    /// The recipe; it is not kept yet.
    pub recipe: RecipeDto,
    /// The same, weighed.
    pub weighed: WeighedDto,
    /// Lines in which no amount was found.
    pub unread: Vec<String>,
}

same_words!(RecipeKindDto -> RecipeKind: Rub, Marinade, Sauce, Glaze, Gravy, Side);
same_words!(RecipeKind -> RecipeKindDto: Rub, Marinade, Sauce, Glaze, Gravy, Side);
same_words!(UnitDto -> Unit: Gram, Ounce, Pound, Millilitre, Teaspoon, Tablespoon, Cup, Piece, Pinch);
same_words!(Unit -> UnitDto: Gram, Ounce, Pound, Millilitre, Teaspoon, Tablespoon, Cup, Piece, Pinch);

impl From<&ItemDto> for Item {
    fn from(dto: &ItemDto) -> Self {
        let share = |percent: f64| percent / 100.0;
        Self {
            what: dto.what.trim().to_owned(),
            amount: dto.amount,
            unit: dto.unit.into(),
            salt: dto.salt_percent.map(share),
            sugar: dto.sugar_percent.map(share),
            allergens: dto.allergens.clone(),
        }
    }
}

impl From<&Item> for ItemDto {
    fn from(item: &Item) -> Self {
        let percent = |share: f64| share * 100.0;
        Self {
            what: item.what.clone(),
            amount: item.amount,
            unit: item.unit.into(),
            salt_percent: item.salt.map(percent),
            sugar_percent: item.sugar.map(percent),
            allergens: item.allergens.clone(),
        }
    }
}

impl From<&Recipe> for RecipeDto {
    fn from(recipe: &Recipe) -> Self {
        let steps = recipe.steps.iter().map(|step| RecipeStepDto {
            what: step.what.clone(),
            time_s: step.time.map(|time| time.seconds()),
        });
        Self {
            name: recipe.name.clone(),
            kind: recipe.kind.into(),
            items: recipe.items.iter().map(ItemDto::from).collect(),
            steps: steps.collect(),
            notes: recipe.notes.clone(),
            serves: recipe.serves,
        }
    }
}

impl RecipeDto {
    /// The recipe, where it can be made.
    ///
    /// # Errors
    /// What is wrong with it.
    pub fn checked(&self) -> Result<Recipe, ApiError> {
        let steps = self.steps.iter().map(|step| RecipeStep {
            what: step.what.clone(),
            time: step.time_s.map(Interval::from_seconds),
        });
        let recipe = Recipe {
            name: self.name.trim().to_owned(),
            kind: self.kind.into(),
            items: self.items.iter().map(Item::from).collect(),
            steps: steps.collect(),
            notes: self.notes.clone(),
            serves: self.serves,
        };
        recipe.check()?;
        Ok(recipe)
    }
}

impl From<&Recipe> for WeighedDto {
    fn from(recipe: &Recipe) -> Self {
        let mass = recipe.mass().grams();
        let items = recipe.items.iter().map(|item| WeighedItemDto {
            mass_g: item.mass().grams(),
            salt_percent: item.salt_share() * 100.0,
            sugar_percent: item.sugar_share() * 100.0,
            allergens: item.allergens(),
        });
        Self {
            mass_g: mass,
            salt_g: mass * recipe.salt_share(),
            sugar_g: mass * recipe.sugar_share(),
            sugar_percent: recipe.sugar_share() * 100.0,
            allergens: recipe.allergens(),
            items: items.collect(),
        }
    }
}
