//! What to buy and to weigh out for a supper.

use super::dishes::Cook;
use super::wish::{Wish, WishedSide};
use crate::plan::surface;
use crate::prep::{Amount, Appetite, Meat, portion, quantities};
use crate::recipe::known;
use crate::units::Mass;

/// Something to buy.
#[derive(Debug, Clone, PartialEq)]
pub struct Purchase {
    /// What.
    pub what: String,
    /// How much.
    pub mass: Mass,
    /// The same in spoons and cups.
    pub spoons: Option<String>,
    /// The cook it is for, by the number of its dish.
    pub dish: Option<usize>,
    /// What the eaters need, where that is known.
    pub needed: Option<Mass>,
    /// An allergen it often brings.
    pub allergen: Option<String>,
}

/// Less than this share of what eaters need is clearly too little: appetites differ by that much
/// (common practice).
const ENOUGH: f64 = 0.85;

impl Purchase {
    /// Whether it is clearly less than the eaters need.
    #[must_use]
    pub fn is_too_little(&self) -> bool {
        self.needed
            .is_some_and(|needed| self.mass.grams() < ENOUGH * needed.grams())
    }
}

/// Weight of all pieces.
fn meat(cook: &Cook) -> Mass {
    let pieces = 0..cook.request.pieces as usize;
    Mass::from_grams(
        pieces
            .map(|piece| cook.request.mass_of(piece).grams())
            .sum(),
    )
}

/// What goes on a cook's meat.
pub(super) fn seasoned(cook: &Cook) -> Vec<Amount> {
    let mut seasonings = cook.method.seasonings.clone();
    seasonings.extend(cook.request.sauced());
    let on = Meat::of(cook.request.entry(), meat(cook), surface(&cook.request));
    quantities(&seasonings, &cook.recipes, &on)
}

/// What is not bought: it runs from a tap, or off the joint.
fn is_there(what: &str) -> bool {
    ["water", "drippings"].contains(&known(what).word)
}

/// The same thing once, with all of it.
fn add(amounts: &mut Vec<Amount>, amount: Amount) {
    match amounts.iter_mut().find(|known| known.what == amount.what) {
        Some(known) => {
            known.mass = Mass::from_grams(known.mass.grams() + amount.mass.grams());
            // Eggs and spoons do not add up in either.
            known.measured = None;
        }
        None => amounts.push(amount),
    }
}

/// The meats with what so many eaters need of them, the sides, and everything else added up.
pub(super) fn shopping(wish: &Wish, cooks: &[Option<Cook>]) -> Vec<Purchase> {
    let bare = |what: &str, mass: Mass| Purchase {
        what: what.to_owned(),
        mass,
        spoons: None,
        needed: None,
        allergen: None,
        dish: None,
    };
    let mut list = Vec::new();
    let mut amounts: Vec<Amount> = Vec::new();
    let meats = cooks.iter().flatten().count().max(1) as f64;
    for (number, cook) in cooks.iter().enumerate() {
        let Some(cook) = cook else { continue };
        let entry = cook.request.entry();
        // Several meats share the eaters.
        let needed = portion(entry, wish.eaters, Appetite::Usual).grams() / meats;
        list.push(Purchase {
            needed: Some(Mass::from_grams(needed)),
            dish: Some(number),
            ..bare(entry.plural, meat(cook))
        });
        for amount in seasoned(cook) {
            add(&mut amounts, amount);
        }
    }
    for WishedSide { side, .. } in wish.sides() {
        match &side.recipe {
            // What it is made of is bought, and not the dish.
            Some(recipe) => {
                let items = recipe.items.iter().filter(|item| !is_there(&item.what));
                items.for_each(|item| add(&mut amounts, Amount::of_item(item)));
            }
            None => list.push(bare(&side.name, side.mass.unwrap_or(Mass::from_grams(0.0)))),
        }
    }
    list.extend(amounts.into_iter().map(|amount| Purchase {
        spoons: Some(amount.spoons()).filter(|spoons| !spoons.is_empty()),
        allergen: amount.allergen.clone(),
        ..bare(&amount.what, amount.weighed())
    }));
    list
}
