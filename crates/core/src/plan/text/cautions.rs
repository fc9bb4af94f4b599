//! What can hurt, in words that several steps say.

pub const HOT_BASKET: &str =
    "Hot fat and steam when it opens; put the basket on something heat-proof.";
pub const POURING: &str = "Machine off, gloves on, into a dry heat-proof bowl, not into the sink.";
pub const RAW_POULTRY: &str =
    "Do not wash raw poultry, it spreads bacteria. Wash your hands after touching it.";
pub const SPRAYED: &str = "Take it out to spray: oil mist on a hot element catches fire. Hot fat and steam when it opens.";
pub const CLEAN_BOWL: &str = "A clean bowl, not the one that raw meat lay in.";
pub const HOT_PAN: &str = "Fat spits from a hot pan: lay it in away from you, no water near it.";
pub const HOT_INSIDE: &str = "Hot inside for long: forks or heat-proof gloves, not fingers.";
pub const ONCE: &str = "Heated again only once: what is left now is thrown away.";
pub const LEVELLING: &str =
    "A ball only, weighed down by the meat: loose parchment or foil flies into the element.";
pub const RAW_MEAT: &str = "Wash your hands after touching raw meat.";
pub const EMPTY_MACHINE: &str = "No loose parchment or foil in an empty machine.";
/// Wherever a brush touches meat that is still raw outside.
pub const RAW_BRUSH: &str = "The brush and what is left of the sauce have touched raw meat: wash the \
     brush, boil the sauce before it is served. Boil a used marinade before it becomes a sauce.";
pub const THERMOMETER: &str = "Colour and juices are no test; the thermometer is.";
pub const NOT_VERIFIED: &str = "Not verified: without a thermometer nobody knows that it is safe.";
pub const SHARP_POINT: &str = "Clean the probe between readings that are too low and the next.";
