//! What can hurt before the heat, in words that several places say.

use crate::meat::{Animal, Cut};

const RAW_POULTRY: &str =
    "Do not wash raw poultry, it spreads bacteria: blot it. Wash your hands after touching it.";
pub const RAW_MEAT: &str = "Wash your hands after touching raw meat.";
pub const BOIL_IT: &str = "Boil what the meat has lain in before it is a sauce, or throw it away.";
pub const LEFT_IN_THE_DISHES: &str =
    "What is left in the dishes has touched raw meat: throw it away, wash dishes and hands.";
pub const KEPT_APART: &str =
    "Take out what is for the table first: brush and bowl have touched raw meat then.";
pub const SPRAYING: &str = "Spray outside the machine: oil mist on a hot element catches fire.";
pub const LEFT_OVER: &str = "Only what was chilled within two hours and has been in the fridge for a few days at the most; when in \
     doubt, throw it out.";
pub const TWO_HOURS: &str = "Out of the fridge for two hours at the most, one in a hot kitchen; your local authority decides.";
pub const CHILL: &str =
    "Chill part-cooked meat at once, and cook it through the same day or the next.";

pub const fn raw_caution(cut: &Cut) -> &'static str {
    match cut.animal {
        Animal::Chicken | Animal::Turkey => RAW_POULTRY,
        Animal::Pork | Animal::Beef | Animal::Lamb => RAW_MEAT,
    }
}
