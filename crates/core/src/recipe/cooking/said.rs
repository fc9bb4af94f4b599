//! What a text says without numbers: what is cooked, in what, how it is turned and sauced, what is on it.

use std::ops::Range;

use super::Sauced;
use super::quantities::temperature;
use super::words::Word;
use crate::fryer::MachineKind;
use crate::meat::{CATALOGUE, CutId, Layer, NOT_YET, NotYet};

fn says(text: &str, any: &[&str]) -> bool {
    any.iter().any(|word| text.contains(word))
}

pub fn turned_in(text: &str) -> Option<bool> {
    const NOT: [&str; 6] = [
        "no turning",
        "do not turn",
        "don't turn",
        "without turning",
        "no need to flip",
        "do not flip",
    ];
    const TURNED: [&str; 7] = [
        "turn", "flip", "half-way", "halfway", "shake", "shaking", "toss",
    ];
    // A dial is turned as well.
    const DIAL: [&str; 7] = [
        "turn up",
        "turn down",
        "turn the heat",
        "turn the oven",
        "turn the temp",
        "turn on",
        "return",
    ];
    let meat = (DIAL.iter()).fold(text.to_owned(), |text, dial| text.replace(dial, ""));
    if says(text, &NOT) {
        Some(false)
    } else if says(&meat, &TURNED) {
        Some(true)
    } else {
        None
    }
}

/// Whether it speaks of a hot machine before anything goes in.
pub fn preheats(text: &str) -> bool {
    const SAID: [&str; 8] = [
        "preheat",
        "pre-heat",
        "heat air fryer",
        "heat the air fryer",
        "heat your air fryer",
        "heat oven",
        "heat the oven",
        "heat your oven",
    ];
    says(text, &SAID)
}

/// The kind a text speaks of; what is more special first.
pub fn machine_in(text: &str, words: &[Word]) -> Option<MachineKind> {
    const SAID: &[(&[&str], MachineKind)] = &[
        (
            &["oven-style", "oven style", "toaster oven", "air fryer oven"],
            MachineKind::OvenStyle,
        ),
        (
            &["dual", "twin", "two drawers", "two-drawer"],
            MachineKind::TwinDrawers,
        ),
        (&["lidded grill", "indoor grill"], MachineKind::LiddedGrill),
        (
            &[
                "drawer",
                "basket",
                "air fryer",
                "air-fryer",
                "airfryer",
                "air fry",
                "air-fry",
            ],
            MachineKind::Drawer,
        ),
        (
            &[
                "fan oven",
                "convection",
                "fan on",
                "fan-assisted",
                "fan assisted",
            ],
            MachineKind::FanOven,
        ),
    ];
    let said = SAID
        .iter()
        .find(|(any, _)| any.iter().any(|word| found(text, word).is_some()));
    if let Some((_, kind)) = said {
        return Some(*kind);
    }
    // "200 °C, 180 fan, gas 6": the first counts.
    let has = |word: &str| words.iter().any(|one| one.text == word);
    if has("fan") {
        let dial = (0..words.len()).find(|n| temperature(words, *n).is_some());
        let is_fan = |n: usize| words.get(n).is_some_and(|word| word.text == "fan");
        let of_first = dial.is_some_and(|n| {
            // "220 °C (fan 200)", "200 °C, 180 fan": of the other one.
            let is_bare = words.get(n + 1).is_some_and(|next| next.number.is_none());
            let has_own = words
                .get(n + 2)
                .is_some_and(|own| own.number.is_some() && own.as_time().is_none());
            let is_behind = is_bare && is_fan(n + 1) && !has_own;
            is_behind || is_fan(n) || n.checked_sub(1).is_some_and(is_fan)
        });
        return Some(if of_first {
            MachineKind::FanOven
        } else {
            MachineKind::StillOven
        });
    }
    if text.contains("oven") || has("gas") {
        return Some(MachineKind::StillOven);
    }
    let grills = |n: usize| {
        let is_thing = words
            .get(n + 1)
            .is_some_and(|next| ["pan", "plate", "rack", "marks"].contains(&next.text.as_str()));
        words
            .get(n)
            .is_some_and(|word| ["grill", "grilled", "broil"].contains(&word.text.as_str()))
            && !is_thing
    };
    (0..words.len())
        .any(grills)
        .then_some(MachineKind::LiddedGrill)
}

/// What is brushed on or tossed in.
pub fn sauced_in(text: &str) -> Option<Sauced> {
    const SAUCES: [&str; 4] = ["sauce", "glaze", "barbecue", "bbq"];
    const BRUSHED: [&str; 6] = ["brush", "baste", "basting", "mop ", "slather", "glaze with"];
    if !says(text, &SAUCES) {
        None
    } else if says(
        text,
        &[
            "toss in",
            "tossed in",
            "toss with",
            "toss the",
            "toss them",
            "coat in",
            "coat with",
        ],
    ) && text.find("toss").or_else(|| text.find("coat")) < text.rfind("sauce")
    {
        Some(Sauced::Tossed)
    } else {
        says(text, &BRUSHED).then_some(Sauced::Brushed)
    }
}

/// Whether it is in foil while it cooks, and not only while it rests.
pub fn in_foil(text: &str) -> bool {
    /// Letters around the word that say which.
    const AROUND: usize = 30;
    let around = |at: usize| {
        let (head, tail) = text.split_at(at);
        let skipped = head.chars().count().saturating_sub(AROUND);
        let mut near: String = head.chars().skip(skipped).collect();
        near.extend(tail.chars().take(AROUND));
        near
    };
    let mut told = text.match_indices("foil").map(|(at, _)| around(at));
    told.any(|near| {
        says(&near, &["wrap", "in foil", "cover"])
            && !says(&near, &["rest", "tent", "stand", "line"])
    })
}

/// What is on the meat, the lowest first; nothing where the text names nothing that changes how it browns.
pub fn layers_in(text: &str) -> Vec<Layer> {
    const ON_IT: [(&[&str], Layer); 5] = [
        (&["baking powder"], Layer::BakingPowder),
        (
            &["corn starch", "cornstarch", "potato starch"],
            Layer::Starch,
        ),
        (&["flour"], Layer::Flour),
        (
            &["beaten egg", "egg wash", "in egg", "dip in the egg"],
            Layer::Egg,
        ),
        (
            &["breadcrumb", "bread crumb", "panko", "crumbs"],
            Layer::Crumb,
        ),
    ];
    // It is no flour; and a crumb hangs on by egg, said or not.
    let text = text
        .replace("cornflour", "cornstarch")
        .replace("breaded", "in egg and crumbs");
    let text = if says(&text, &["panko", "crumbs"]) {
        text.replace("egg,", "in egg,")
    } else {
        text
    };
    let mut on_it: Vec<Layer> = ON_IT
        .iter()
        .filter(|(any, _)| says(&text, any))
        .map(|(_, layer)| *layer)
        .collect();
    if !on_it.is_empty() {
        on_it.insert(0, Layer::PattedDry);
        on_it.extend(text.contains("spray").then_some(Layer::Spray));
    }
    on_it
}

/// Whether a text has a name, as a word or its beginning, and where.
fn found(text: &str, name: &str) -> Option<Range<usize>> {
    let name = name.to_lowercase();
    let mut at = text.match_indices(&name);
    at.find(|(at, _)| {
        let before = text.get(..*at).and_then(|head| head.chars().next_back());
        before.is_none_or(|c| !c.is_alphanumeric())
    })
    .map(|(at, _)| at..at + name.len())
}

/// A cut whose name a text has.
pub struct Named {
    /// Which it is.
    pub cut: CutId,
    /// Where it stands.
    pub at: Range<usize>,
    /// Whether that speaks of one piece.
    pub is_one: bool,
}

/// The cut whose name a text has, the longest that is found.
pub fn named_in(text: &str) -> Option<Named> {
    let all = CATALOGUE.iter().flat_map(|entry| {
        let own = [entry.name, entry.plural].into_iter();
        own.chain(entry.id.other_names().iter().copied())
            .map(|name| (name, entry.id))
    });
    let named = all.filter_map(|(name, id)| Some((name, found(text, name)?, id)));
    // Of names of one length the first of the catalogue: what is usual stands before what is special.
    // What any joint with skin has says least.
    let key = |name: &str| (name == "crackling", std::cmp::Reverse(name.len()));
    let (name, at, id) = named.min_by_key(|(name, ..)| key(name))?;
    let goes_on = text.get(at.end..).and_then(|rest| rest.chars().next());
    Some(Named {
        at,
        cut: meant(id, text),
        is_one: !name.ends_with('s') && !goes_on.is_some_and(char::is_alphanumeric),
    })
}

/// Of a cut with a bone the one without, where the text says that elsewhere: "pork chops, 2 cm, boneless"; a chop of
/// lamb, where the name is that of any chop.
fn meant(id: CutId, text: &str) -> CutId {
    if matches!(id, CutId::PorkChop | CutId::ThinChop)
        && text.contains("lamb")
        && !text.contains("pork")
    {
        return CutId::LambChop;
    }
    let is_cubed = says(text, &["cube", "bites"]);
    match id {
        CutId::BackRibs if says(text, &["country", "boneless"]) => return CutId::CountryRib,
        CutId::BeefRoast if text.contains("steak") && !text.contains("roast") => {
            return CutId::BeefSteak;
        }
        CutId::BeefSteak if text.contains("roast") && !text.contains("steak") => {
            return CutId::BeefRoast;
        }
        CutId::PorkBellySlab if is_cubed => return CutId::BellyCubes,
        CutId::SpatchcockedChicken if text.contains("breast") => return CutId::BonelessBreast,
        CutId::BeefSteak if text.contains("lamb") && !text.contains("beef") => {
            return CutId::LambChop;
        }
        _ => {}
    }
    if !text.contains("boneless") || text.contains("bone-in") {
        return id;
    }
    match id {
        CutId::PorkChop => CutId::BonelessChop,
        CutId::ThinChop => CutId::ThinBonelessChop,
        CutId::BoneInThigh => CutId::BonelessThigh,
        other => other,
    }
}

/// What a text can only mean where it names no cut: chops are of pork, unless it is another animal's, and a chicken
/// is a whole one.
pub fn meant_by(text: &str, is_heavy: bool) -> Option<CutId> {
    if found(text, "chops").is_some() {
        let of_another = ["veal", "venison"].iter().any(|other| text.contains(other));
        return (!of_another).then(|| meant(CutId::PorkChop, text));
    }
    let of_turkey = text.contains("turkey");
    if found(text, "thighs").is_some() && !of_turkey {
        return Some(meant(CutId::BoneInThigh, text));
    }
    if found(text, "breasts").is_some() && !of_turkey {
        return Some(CutId::BonelessBreast);
    }
    let is_whole = is_heavy || text.contains("whole");
    (is_whole && found(text, "chicken").is_some()).then_some(CutId::WholeChicken)
}

/// Something that is not planned, where the text names it and no cut, or as more than the cut: "gammon joint", "rack
/// of lamb".
pub fn not_planned_in(text: &str) -> Option<&'static NotYet> {
    // "Bone-in, skin-on chicken breasts" are as if it stood together.
    // Minced meat was found before this. Minced garlic beside the cut is not meat.
    let plain = text
        .replace(',', " ")
        .replace("skin-on", " ")
        .replace("minced", " ");
    let text = &plain.split_whitespace().collect::<Vec<_>>().join(" ");
    let named = named_in(text);
    let is_belly = named
        .as_ref()
        .is_some_and(|named| named.cut == CutId::BellyCubes);
    let called = |name: &str| NOT_YET.iter().find(|one| one.names.contains(&name));
    let is_small = is_cut_small(text)
        || says(
            text,
            &["steak bites", "beef bites", "beef tips", "chicken bites"],
        );
    if !is_belly && is_small {
        return called("diced");
    }
    if says(text, &["sous vide", "sous-vide"]) {
        return called("sous vide");
    }
    let cut = named.map(|named| named.at);
    // Together with the cut, or right beside it.
    let is_more_than = |at: Range<usize>| {
        cut.as_ref()
            .is_none_or(|cut| at.start <= cut.end + 1 && cut.start <= at.end + 1)
    };
    NOT_YET.iter().find(|one| {
        let mut named = one.names.iter();
        let is_of_belly = is_belly && one.names.contains(&"diced");
        !is_of_belly && named.any(|name| found(text, name).is_some_and(is_more_than))
    })
}

/// "Cut the breasts into 1-inch cubes", but not the potatoes.
fn is_cut_small(text: &str) -> bool {
    const SMALL: [&str; 5] = ["cubes", "chunks", "bite-size", "bite size", "bites"];
    /// Cut into pieces of so many of these they are small; into so many pieces they are not.
    const UNITS: [&str; 3] = ["inch", "cm", "\""];
    /// Letters between.
    const NEAR: usize = 30;
    text.match_indices("into ").any(|(at, into)| {
        let (head, tail) = text.split_at(at);
        let near: String = tail.chars().skip(into.len()).take(NEAR).collect();
        let near = near.split(['.', ';']).next().unwrap_or_default();
        let what = head.rsplit(['.', ';']).next().unwrap_or_default();
        let is_meat = named_in(what).is_some() || meant_by(what, true).is_some();
        is_meat && (says(near, &SMALL) || near.contains("piece") && says(near, &UNITS))
    })
}
