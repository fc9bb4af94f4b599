//! What kitchens have on the shelf: how it is spooned, what a piece weighs, its salt, its sugar, its allergens.
//!
//! Densities, salt and sugar: public food composition tables, from memory, rounded; brands differ.

/// What is known of an ingredient.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Known {
    /// A word that is in its name.
    pub word: &'static str,
    /// As it is spooned, g/ml.
    pub density: f64,
    /// What a piece weighs, g.
    pub piece: f64,
    /// What of it is salt, 0 to 1.
    pub salt: f64,
    /// What of it is sugar, 0 to 1.
    pub sugar: f64,
    /// What it brings that some may not eat.
    pub allergens: &'static [&'static str],
}

const fn of(word: &'static str, density: f64, piece: f64, salt: f64, sugar: f64) -> Known {
    Known {
        word,
        density,
        piece,
        salt,
        sugar,
        allergens: &[],
    }
}

impl Known {
    const fn with(self, allergens: &'static [&'static str]) -> Self {
        Self { allergens, ..self }
    }
}

/// What nobody knows: spooned like a ground spice, a piece like an onion.
const UNKNOWN: Known = of("", 0.5, 100.0, 0.0, 0.0);

/// Everything on the shelf. The longest word that a name holds decides.
pub const PANTRY: &[Known] = &[
    of("salt", 1.22, 6.0, 1.0, 0.0),
    of("flaky salt", 0.75, 6.0, 1.0, 0.0),
    of("coarse salt", 0.95, 6.0, 1.0, 0.0),
    of("garlic salt", 0.95, 6.0, 0.75, 0.0),
    of("celery salt", 0.95, 6.0, 0.75, 0.0).with(&["celery"]),
    of("sugar", 0.85, 4.0, 0.0, 1.0),
    of("brown sugar", 0.9, 4.0, 0.0, 0.97),
    of("honey", 1.42, 21.0, 0.0, 0.82),
    of("maple syrup", 1.33, 20.0, 0.0, 0.67),
    of("syrup", 1.37, 20.0, 0.0, 0.75),
    of("molasses", 1.41, 20.0, 0.0, 0.7),
    of("marmalade", 1.35, 20.0, 0.0, 0.62),
    of("jam", 1.33, 20.0, 0.0, 0.6),
    of("jelly", 1.33, 20.0, 0.0, 0.6),
    of("ketchup", 1.15, 17.0, 0.022, 0.22).with(&["celery"]),
    of("barbecue sauce", 1.15, 17.0, 0.025, 0.33).with(&["mustard"]),
    of("hot sauce", 1.02, 5.0, 0.06, 0.01),
    of("chilli sauce", 1.15, 17.0, 0.04, 0.35),
    of("tomato paste", 1.1, 16.0, 0.002, 0.12),
    of("tomato", 0.98, 120.0, 0.0, 0.03),
    of("soy sauce", 1.15, 17.0, 0.145, 0.01).with(&["soy", "wheat"]),
    of("tamari", 1.15, 17.0, 0.145, 0.01).with(&["soy"]),
    of("fish sauce", 1.18, 17.0, 0.22, 0.04).with(&["fish"]),
    of("oyster sauce", 1.2, 17.0, 0.09, 0.12).with(&["molluscs", "wheat"]),
    of("worcestershire", 1.1, 17.0, 0.03, 0.12).with(&["fish"]),
    of("miso", 1.15, 17.0, 0.11, 0.06).with(&["soy"]),
    of("mustard", 1.06, 15.0, 0.03, 0.03).with(&["mustard"]),
    of("mustard powder", 0.45, 6.0, 0.0, 0.0).with(&["mustard"]),
    of("mustard seed", 0.7, 6.0, 0.0, 0.0).with(&["mustard"]),
    of("horseradish", 1.0, 15.0, 0.008, 0.07).with(&["sulphites"]),
    of("mayonnaise", 0.94, 14.0, 0.013, 0.02).with(&["egg", "mustard"]),
    of("yoghurt", 1.03, 125.0, 0.001, 0.05).with(&["milk"]),
    of("yogurt", 1.03, 125.0, 0.001, 0.05).with(&["milk"]),
    of("buttermilk", 1.03, 240.0, 0.002, 0.05).with(&["milk"]),
    of("sour cream", 1.0, 120.0, 0.001, 0.03).with(&["milk"]),
    of("cream", 1.0, 240.0, 0.001, 0.03).with(&["milk"]),
    of("milk", 1.03, 240.0, 0.001, 0.05).with(&["milk"]),
    of("butter", 0.96, 113.0, 0.0, 0.0).with(&["milk"]),
    of("salted butter", 0.96, 113.0, 0.015, 0.0).with(&["milk"]),
    of("cheese", 0.45, 30.0, 0.018, 0.0).with(&["milk"]),
    of("peanut butter", 1.08, 16.0, 0.01, 0.08).with(&["peanut"]),
    of("peanut", 0.6, 1.0, 0.0, 0.05).with(&["peanut"]),
    of("almond", 0.55, 1.2, 0.0, 0.04).with(&["nuts"]),
    of("walnut", 0.5, 4.0, 0.0, 0.03).with(&["nuts"]),
    of("sesame", 0.6, 3.0, 0.0, 0.0).with(&["sesame"]),
    of("tahini", 1.0, 15.0, 0.0, 0.0).with(&["sesame"]),
    of("oil", 0.92, 14.0, 0.0, 0.0),
    of("sesame oil", 0.92, 14.0, 0.0, 0.0).with(&["sesame"]),
    of("lard", 0.92, 13.0, 0.0, 0.0),
    of("dripping", 0.92, 13.0, 0.0, 0.0),
    of("vinegar", 1.01, 15.0, 0.0, 0.0),
    of("balsamic", 1.1, 16.0, 0.0, 0.15).with(&["sulphites"]),
    of("wine", 0.99, 150.0, 0.0, 0.01).with(&["sulphites"]),
    of("cider", 1.01, 250.0, 0.0, 0.05).with(&["sulphites"]),
    of("cider vinegar", 1.01, 15.0, 0.0, 0.0),
    of("wine vinegar", 1.01, 15.0, 0.0, 0.0).with(&["sulphites"]),
    of("beer", 1.01, 330.0, 0.0, 0.0).with(&["barley"]),
    of("stock", 1.0, 240.0, 0.008, 0.0).with(&["celery"]),
    of("stock cube", 1.2, 10.0, 0.5, 0.02).with(&["celery"]),
    of("water", 1.0, 240.0, 0.0, 0.0),
    of("drippings", 1.0, 15.0, 0.01, 0.0),
    of("lemon juice", 1.03, 45.0, 0.0, 0.02),
    of("lime juice", 1.03, 30.0, 0.0, 0.02),
    of("orange juice", 1.04, 80.0, 0.0, 0.09),
    of("apple juice", 1.04, 240.0, 0.0, 0.1),
    of("juice", 1.04, 60.0, 0.0, 0.08),
    of("lemon", 0.9, 110.0, 0.0, 0.02),
    of("zest", 0.4, 6.0, 0.0, 0.0),
    of("flour", 0.53, 8.0, 0.0, 0.0).with(&["wheat"]),
    of("starch", 0.54, 8.0, 0.0, 0.0),
    of("cornflour", 0.54, 8.0, 0.0, 0.0),
    of("crumb", 0.46, 6.0, 0.01, 0.03).with(&["wheat"]),
    of("bread", 0.3, 40.0, 0.011, 0.04).with(&["wheat"]),
    of("roll", 0.3, 60.0, 0.011, 0.04).with(&["wheat"]),
    of("egg", 1.03, 52.0, 0.0, 0.0).with(&["egg"]),
    of("baking powder", 0.93, 4.0, 0.0, 0.0),
    of("rice", 0.85, 75.0, 0.0, 0.0),
    of("potato", 0.65, 170.0, 0.0, 0.01),
    of("carrot", 0.6, 70.0, 0.0, 0.05),
    of("parsnip", 0.6, 120.0, 0.0, 0.05),
    of("cabbage", 0.35, 900.0, 0.0, 0.03),
    of("bean", 0.5, 6.0, 0.0, 0.03),
    of("onion", 0.6, 110.0, 0.0, 0.04),
    of("onion powder", 0.47, 3.0, 0.0, 0.07),
    of("shallot", 0.6, 25.0, 0.0, 0.08),
    of("apple", 0.55, 150.0, 0.0, 0.1),
    of("garlic", 0.6, 5.0, 0.0, 0.01),
    of("garlic powder", 0.6, 3.0, 0.0, 0.02),
    of("ginger", 0.5, 25.0, 0.0, 0.02),
    of("celery", 0.45, 40.0, 0.002, 0.01).with(&["celery"]),
    of("leaves", 0.15, 5.0, 0.0, 0.01),
    of("herb", 0.15, 2.0, 0.0, 0.0),
    of("parsley", 0.15, 2.0, 0.0, 0.0),
    of("thyme", 0.25, 1.0, 0.0, 0.0),
    of("rosemary", 0.3, 2.0, 0.0, 0.0),
    of("sage", 0.2, 1.0, 0.0, 0.0),
    of("dill", 0.2, 2.0, 0.0, 0.0),
    of("pepper", 0.47, 120.0, 0.0, 0.0),
    of("paprika", 0.46, 2.0, 0.0, 0.1),
    of("fennel seed", 0.4, 2.0, 0.0, 0.0),
    of("caraway", 0.45, 2.0, 0.0, 0.0),
    of("cumin", 0.43, 2.0, 0.0, 0.0),
    of("chilli", 0.45, 8.0, 0.0, 0.0),
];

/// What is known of something by its name: the longest word of the shelf in it; else as of a ground spice.
///
/// ```
/// use ember_core::recipe::known;
/// assert_eq!(known("dark Soy Sauce").allergens, ["soy", "wheat"]);
/// assert_eq!(known("toasted sesame oil").word, "sesame oil");
/// assert_eq!(known("tonka").density, 0.5);
/// ```
#[must_use]
pub fn known(what: &str) -> &'static Known {
    let name = what.to_lowercase();
    let held = PANTRY.iter().filter(|known| holds(&name, known.word));
    held.max_by_key(|known| known.word.len())
        .unwrap_or(&UNKNOWN)
}

/// Whether a name holds a word of the shelf, at the beginning of one of its own.
fn holds(name: &str, word: &str) -> bool {
    name.match_indices(word).any(|(at, _)| {
        let before = name.get(..at).and_then(|before| before.chars().next_back());
        before.is_none_or(|letter| !letter.is_alphabetic())
    })
}
