//! What can hurt, in words that several steps say.

pub const HOT_BASKET: &str =
    "Hot fat and steam when it opens; put the basket on something heat-proof.";
pub const POURING: &str = "Machine off, gloves on, into a dry heat-proof bowl, not into the sink.";
pub const RAW_POULTRY: &str =
    "Do not wash raw poultry, it spreads bacteria. Wash your hands after touching it.";
pub const RAW_MEAT: &str = "Wash your hands after touching raw meat.";
pub const EMPTY_MACHINE: &str = "No loose parchment or foil in an empty machine.";
/// Wherever a brush touches meat that is still raw outside.
pub const RAW_BRUSH: &str = "The brush and what is left of the sauce have touched raw meat: wash the \
     brush, boil the sauce before it is served. Boil a used marinade before it becomes a sauce.";
pub const THERMOMETER: &str = "Colour and juices are no test; the thermometer is.";
pub const NOT_VERIFIED: &str = "Not verified: without a thermometer nobody knows that it is safe.";
pub const SHARP_POINT: &str = "Clean the probe between readings that are too low and the next.";
