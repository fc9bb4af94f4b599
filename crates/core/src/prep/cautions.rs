//! What can hurt before the heat, in words that several places say.

use crate::meat::{Animal, Cut};

const RAW_POULTRY: &str =
    "Do not wash raw poultry, it spreads bacteria: blot it. Wash your hands after touching it.";
pub const RAW_MEAT: &str = "Wash your hands after touching raw meat.";
pub const BOIL_IT: &str = "Boil what the meat has lain in before it is a sauce, or throw it away.";
pub const TWO_HOURS: &str = "Out of the fridge for two hours at the most, one in a hot kitchen; your local authority decides.";
pub const CHILL: &str =
    "Chill part-cooked meat at once, and cook it through the same day or the next.";

pub const fn raw_caution(cut: &Cut) -> &'static str {
    match cut.animal {
        Animal::Chicken | Animal::Turkey => RAW_POULTRY,
        Animal::Pork | Animal::Beef | Animal::Lamb => RAW_MEAT,
    }
}
