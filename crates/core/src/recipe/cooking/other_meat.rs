//! Ground, tenderised and filled meat, and meat of another animal than the cut's name says. Its safe minimum differs
//! from that of the plain cut, so a recipe that names it is refused.

use crate::meat::{Animal, CutId, NOT_YET, NotYet, OTHER_ANIMAL, cut};

/// Words for meat of any animal, in the singular.
const MEAT: [&str; 27] = [
    "beef",
    "pork",
    "chicken",
    "turkey",
    "lamb",
    "veal",
    "venison",
    "meat",
    "steak",
    "bird",
    "hen",
    "poultry",
    "chop",
    "breast",
    "thigh",
    "round",
    "sirloin",
    "chuck",
    "loin",
    "shoulder",
    "roast",
    "joint",
    "cutlet",
    "schnitzel",
    "tenderloin",
    "fillet",
    "rump",
];
/// Animals whose cuts are planned.
const PLANNED: [(&str, Animal); 8] = [
    ("chicken", Animal::Chicken),
    ("hen", Animal::Chicken),
    ("poussin", Animal::Chicken),
    ("turkey", Animal::Turkey),
    ("pork", Animal::Pork),
    ("pig", Animal::Pork),
    ("beef", Animal::Beef),
    ("lamb", Animal::Lamb),
];
/// Animals and meat substitutes that are not planned.
const OTHERS: [&str; 32] = [
    "duck",
    "goose",
    "rabbit",
    "hare",
    "venison",
    "deer",
    "elk",
    "moose",
    "bison",
    "buffalo",
    "boar",
    "veal",
    "mutton",
    "goat",
    "kangaroo",
    "ostrich",
    "emu",
    "horse",
    "pheasant",
    "quail",
    "partridge",
    "pigeon",
    "guinea",
    "fish",
    "salmon",
    "tuna",
    "swordfish",
    "cod",
    "tofu",
    "seitan",
    "cauliflower",
    "alligator",
];
/// Words after an animal's name that make it something other than meat.
const MADE_OF: [&str; 17] = [
    "stock",
    "broth",
    "bouillon",
    "seasoning",
    "salt",
    "rub",
    "gravy",
    "sauce",
    "fat",
    "powder",
    "spice",
    "flavour",
    "flavor",
    "soup",
    "wing",
    "cheese",
    "lettuce",
];

/// The words of a text without punctuation.
fn tokens(text: &str) -> Vec<&str> {
    text.split(|c: char| !c.is_alphanumeric())
        .filter(|word| !word.is_empty())
        .collect()
}

/// Whether a word is another one, in the singular or the plural.
fn is(word: &str, singular: &str) -> bool {
    word.strip_prefix(singular)
        .is_some_and(|ending| matches!(ending, "" | "s" | "es"))
}

fn is_meat(word: &str) -> bool {
    MEAT.iter().any(|meat| is(word, meat))
}

fn called(name: &str) -> Option<&'static NotYet> {
    NOT_YET.iter().find(|one| one.names.contains(&name))
}

/// Ground, tenderised or filled meat that a text names.
pub fn handled_in(text: &str) -> Option<&'static NotYet> {
    let words = tokens(text);
    let around = |n: usize, before: usize, after: usize| {
        let from = n.saturating_sub(before);
        words
            .get(from..(n + after + 1).min(words.len()))
            .unwrap_or_default()
    };
    let at = |n: usize| words.get(n).copied().unwrap_or_default();
    let has_meat = |n: usize, before: usize, after: usize| {
        around(n, before, after).iter().any(|word| is_meat(word))
    };
    let is_denied = |n: usize| {
        let before = around(n, 3, 0);
        let not = ["not", "no", "without", "isn", "aren", "never", "un", "don"];
        before.iter().any(|word| not.contains(word))
    };
    (0..words.len()).find_map(|n| {
        let kind = match at(n) {
            // Pepper and garlic are ground and minced too. The next words say which it is.
            "ground" | "minced" if has_meat(n, 0, 2) => "mince",
            "ground" | "minced" if is_meat(at(n.wrapping_sub(1))) => {
                let goes_on = at(n + 1);
                let is_end = matches!(goes_on, "" | "or" | "and" | "at" | "for" | "in" | "meat");
                let is_number = goes_on.starts_with(|c: char| c.is_ascii_digit());
                if is_end || is_number {
                    "mince"
                } else {
                    return None;
                }
            }
            "chopped" if matches!(at(n + 1), "steak" | "steaks" | "beef") => "mince",
            "mince" if has_meat(n, 2, 2) => "mince",
            "hamburger" | "hamburgers" | "salisbury" | "meatloaf" => "mince",
            "patty" | "patties" | "burgers" | "sausages" if has_meat(n, 2, 1) => "mince",
            "cube" | "cubed" | "swiss" if is(at(n + 1), "steak") => "tenderised",
            "fried" if n > 0 && is(at(n + 1), "steak") => "tenderised",
            "jaccard" | "jaccarded" | "needled" => "tenderised",
            word if word.starts_with("tenderised") || word.starts_with("tenderized") => {
                "tenderised"
            }
            "stuffed" | "stuffing" | "filled" | "filling" if has_meat(n, 4, 4) => "stuffed",
            "stuff" if has_meat(n, 0, 3) || around(n, 0, 3).contains(&"cavity") => "stuffed",
            _ => return None,
        };
        if is_denied(n) { None } else { called(kind) }
    })
}

/// The refusal of a text that names another animal and not the animal of the cut.
pub fn of_another_animal(text: &str, id: CutId) -> Option<&'static NotYet> {
    let words = tokens(text);
    let own = cut(id).animal;
    let mut others = false;
    for (n, word) in words.iter().enumerate() {
        let next = words.get(n + 1).copied().unwrap_or_default();
        if let Some((_, animal)) = PLANNED.iter().find(|(name, _)| is(word, name)) {
            if *animal == own {
                return None;
            }
            others |= !MADE_OF.iter().any(|made| is(next, made));
        } else if OTHERS.iter().any(|name| is(word, name)) {
            others |= !MADE_OF.iter().any(|made| is(next, made));
        }
    }
    others.then_some(&OTHER_ANIMAL)
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[test]
    fn what_is_ground_tenderised_or_filled_is_found() {
        for (text, kind) in [
            ("minced steak, 200 c 12 min", "mince"),
            ("hamburger steaks 190 for 14", "mince"),
            ("4 pork patties at 200 c", "mince"),
            ("lean ground turkey breast", "mince"),
            ("beef, ground, 15 min", "mince"),
            ("cube steak 400f 8 min", "tenderised"),
            ("needle-tenderised rump steak", "tenderised"),
            ("mechanically tenderized sirloin", "tenderised"),
            ("a filled bird of 1.6 kg", "stuffed"),
            ("stuff the chicken loosely", "stuffed"),
            ("chicken with bread stuffing", "stuffed"),
        ] {
            let found = handled_in(text).unwrap_or_else(|| unreachable!("{text}"));
            assert!(found.names.contains(&kind), "{text}");
        }
        for text in [
            "chops with freshly ground black pepper",
            "season the steaks, ground cumin and minced garlic",
            "chicken thighs, minced garlic, 200 c",
            "the steak is not tenderised",
            "do not stuff the chicken",
            "thighs on burger buns",
        ] {
            assert_eq!(handled_in(text), None, "{text}");
        }
    }

    #[test]
    fn the_animal_outranks_the_name_of_the_cut() {
        for (text, id) in [
            ("chicken tenderloin", CutId::PorkTenderloin),
            ("turkey steak", CutId::BeefSteak),
            ("chicken schnitzel", CutId::BreadedChop),
            ("steaks of venison", CutId::BeefSteak),
        ] {
            assert!(of_another_animal(text, id).is_some(), "{text}");
        }
        for (text, id) in [
            ("steaks with chicken stock", CutId::BeefSteak),
            ("pork chops in fish sauce", CutId::PorkChop),
            ("roast the hen in duck fat", CutId::GameHen),
            ("steak", CutId::BeefSteak),
        ] {
            assert_eq!(of_another_animal(text, id), None, "{text}");
        }
    }
}
