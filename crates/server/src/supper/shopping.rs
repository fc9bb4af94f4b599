//! What to buy and to weigh out for a supper.

use ember_core::plan::surface;
use ember_core::prep::{Amount, Appetite, portion, quantities};
use ember_core::units::Mass;

use super::dishes::Cook;
use crate::dto::supper::{ShoppingDto, SupperDto};

/// Weight of all pieces.
fn meat(cook: &Cook) -> Mass {
    let pieces = 0..cook.request.pieces as usize;
    Mass::from_grams(
        pieces
            .map(|piece| cook.request.mass_of(piece).grams())
            .sum(),
    )
}

/// What goes on a cook's meat; nothing where it is not got ready in any way that is known.
pub fn seasoned(cook: &Cook) -> Vec<Amount> {
    let Some(method) = &cook.method else {
        return Vec::new();
    };
    let (blend, surface) = (cook.blend.as_ref(), surface(&cook.request));
    quantities(&method.seasonings, blend, meat(cook), surface)
}

/// The meats with what so many eaters need of them, the sides, and everything else added up.
pub fn shopping(dto: &SupperDto, cooks: &[Option<Cook>]) -> Vec<ShoppingDto> {
    let bare = |what: &str, mass_g: f64| ShoppingDto {
        what: what.to_owned(),
        mass_g,
        spoons: None,
        needed_g: None,
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
        let needed = portion(entry, dto.eaters, Appetite::Usual).grams() / meats;
        list.push(ShoppingDto {
            needed_g: Some(needed),
            dish: u32::try_from(number).ok(),
            ..bare(entry.plural, meat(cook).grams())
        });
        for amount in seasoned(cook) {
            match amounts.iter_mut().find(|known| known.what == amount.what) {
                Some(known) => {
                    known.mass = Mass::from_grams(known.mass.grams() + amount.mass.grams());
                }
                None => amounts.push(amount),
            }
        }
    }
    for side in dto.dishes.iter().filter_map(|dish| dish.side.as_ref()) {
        list.push(bare(&side.name, side.side_mass_g.unwrap_or(0.0)));
    }
    list.extend(amounts.into_iter().map(|amount| ShoppingDto {
        spoons: Some(amount.spoons()),
        allergen: amount.allergen.clone(),
        ..bare(&amount.what, amount.weighed().grams())
    }));
    list
}
