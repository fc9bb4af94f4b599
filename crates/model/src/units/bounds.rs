//! The bound of every parameter, defined once.
//!
//! The same constant gives the check, the message, the test generator and the limits written into
//! the API description, so that none of them can drift from the others.

use super::{Interval, Length, Mass, Message, Quantity, Temperature, TemperatureDifference};
use crate::told_by_message;

/// The range a parameter may take, with the words and the unit of its message.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Bound {
    /// The parameter in a cook's words.
    pub name: &'static str,
    /// Name of the field that carries it in any exchange, with the unit at its end.
    pub field: &'static str,
    /// The SI-based unit the limits are written in.
    pub unit: &'static str,
    /// Least value accepted.
    pub min: f64,
    /// Greatest value accepted.
    pub max: f64,
}

/// A value outside its [`Bound`]; the message tells value, unit and range.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct OutOfBounds {
    /// What was given.
    pub value: f64,
    /// What it broke.
    pub bound: Bound,
}

impl OutOfBounds {
    /// The value and the range, with its quantities left open.
    ///
    /// ```
    /// use ember_model::units::{TemperatureScale::Celsius, WeightSystem, bounds::THICKNESS};
    /// let message = THICKNESS.check(300.0).unwrap_err().message();
    /// assert_eq!(message.render(Celsius, WeightSystem::Imperial),
    ///            "thickness is 11.8 in; it can be 0.2 in to 6.3 in");
    /// ```
    #[must_use]
    pub fn message(&self) -> Message {
        let Bound { name, unit, .. } = self.bound;
        let all = [self.value, self.bound.min, self.bound.max];
        match self.bound.open() {
            Some(quantity) => Message::with(
                format!("{name} is {{}}; it can be {{}} to {{}}"),
                all.map(quantity),
            ),
            None => {
                let [value, min, max] = all.map(trim);
                let told = format!("{name} is {value} {unit}");
                Message::plain(format!("{}; it can be {min} to {max}", told.trim_end()))
            }
        }
    }
}

told_by_message!(OutOfBounds);

fn trim(value: f64) -> f64 {
    (value * 100.0).round() / 100.0
}

impl Bound {
    const fn new(
        name: &'static str,
        field: &'static str,
        unit: &'static str,
        min: f64,
        max: f64,
    ) -> Self {
        Self {
            name,
            field,
            unit,
            min,
            max,
        }
    }

    /// How its values are written in a cook's units; `None` where every cook uses the same.
    fn open(self) -> Option<fn(f64) -> Quantity> {
        Some(match self.unit {
            "°C" if self.field.contains("setting") => {
                |value| Quantity::Setting(Temperature::from_celsius(value))
            }
            "°C" => |value| Quantity::Temperature(Temperature::from_celsius(value)),
            "K" => |value| Quantity::Difference(TemperatureDifference::from_kelvins(value)),
            "mm" => |value| Quantity::Length(Length::from_millimetres(value)),
            "g" => |value| Quantity::Mass(Mass::from_grams(value)),
            "s" => |value| Quantity::Time(Interval::from_seconds(value)),
            _ => return None,
        })
    }

    /// Accepts a value inside the range.
    ///
    /// # Errors
    /// [`OutOfBounds`] when the value is outside, or not a number.
    ///
    /// ```
    /// use ember_model::units::bounds::THICKNESS;
    /// assert_eq!(THICKNESS.check(25.0), Ok(25.0));
    /// assert_eq!(THICKNESS.check(300.0).unwrap_err().to_string(),
    ///            "thickness is 300 mm; it can be 5 mm to 160 mm");
    /// assert!(THICKNESS.check(f64::NAN).is_err());
    /// ```
    pub fn check(self, value: f64) -> Result<f64, OutOfBounds> {
        if value >= self.min && value <= self.max {
            Ok(value)
        } else {
            Err(OutOfBounds { value, bound: self })
        }
    }
}

/// Pieces in one cook.
pub const PIECES: Bound = Bound::new("number of pieces", "pieces", "", 1.0, 60.0);
/// Weight of one piece; from half a flat to a large roast.
pub const PIECE_MASS: Bound = Bound::new("weight of a piece", "piece_mass_g", "g", 15.0, 4000.0);
/// All pieces together, as a pack is labelled.
pub const TOTAL_MASS: Bound = Bound::new("weight of all", "total_mass_g", "g", 15.0, 40_000.0);
/// Thickness at the thickest part.
pub const THICKNESS: Bound = Bound::new("thickness", "thickness_mm", "mm", 5.0, 160.0);
/// Temperature of the meat when it goes in; frozen meat is out of scope of the model.
pub const START: Bound = Bound::new("start temperature", "start_c", "°C", 0.0, 40.0);
/// Setting of a machine.
pub const SETTING: Bound = Bound::new("setting", "setting_c", "°C", 60.0, 290.0);
/// Core temperature wanted.
pub const CORE_TARGET: Bound = Bound::new("core target", "core_target_c", "°C", 40.0, 98.0);
/// Temperature of the kitchen.
pub const ROOM: Bound = Bound::new("kitchen temperature", "room_c", "°C", 5.0, 45.0);
/// Rated power of a machine.
pub const WATTS: Bound = Bound::new("power", "power_w", "W", 400.0, 4000.0);
/// Inside width, depth or diameter of a floor.
pub const FLOOR: Bound = Bound::new("floor size", "floor_width_mm", "mm", 100.0, 600.0);
/// Capacity of a machine as its label gives it.
pub const CAPACITY: Bound = Bound::new("capacity", "capacity_l", "l", 1.0, 60.0);
/// Free height over the floor.
pub const CAVITY_HEIGHT: Bound = Bound::new("usable height", "height_mm", "mm", 40.0, 400.0);
/// A reading of the thermometer during a cook.
pub const READING: Bound = Bound::new("reading", "core_c", "°C", -5.0, 130.0);
/// A reading of the air in the machine.
pub const AIR_READING: Bound = Bound::new("air reading", "air_c", "°C", 0.0, 320.0);
/// How long the drawer stood open.
pub const DOOR_OPEN: Bound = Bound::new("time open", "open_s", "s", 1.0, 900.0);

/// How long the machine was without power.
pub const OFF: Bound = Bound::new("time without power", "off_s", "s", 5.0, 14_400.0);
/// How long it stays in whatever is there before.
pub const KEEP_IN: Bound = Bound::new("time it stays in", "keep_s", "s", 0.0, 14_400.0);
/// A batch on a scale.
pub const BATCH_MASS: Bound =
    Bound::new("weight of the batch", "batch_mass_g", "g", 10.0, 20_000.0);

/// Step of a dial.
pub const STEP: Bound = Bound::new("step of the dial", "step_k", "K", 0.5, 25.0);
/// How late a report may be: a phone that was out of reach all evening.
pub const AGO: Bound = Bound::new("time since it happened", "ago_s", "s", 0.0, 86_400.0);

/// How long the dial stands higher at the start or the end of a cook.
pub const STAGE_TIME: Bound = Bound::new("time at the other setting", "stage_s", "s", 60.0, 7200.0);
/// When something is done in the middle of a cook.
pub const ACTION_AT: Bound = Bound::new("time of an action", "at_s", "s", 0.0, 14_400.0);
/// The same as a share of the cook, and before its end.
pub const ACTION_SHARE: Bound = Bound::new("share of the cook", "share", "of the cook", 0.0, 0.95);
/// See [`ACTION_SHARE`].
pub const ACTION_BEFORE_END: Bound = Bound::new(
    "time of an action before the end",
    "before_end_s",
    "s",
    30.0,
    7200.0,
);
/// How far apart something is that is done again and again.
pub const ACTION_EVERY: Bound =
    Bound::new("time from one to the next", "every_s", "s", 180.0, 3600.0);
/// Time of the finish after the rest.
pub const FINISH: Bound = Bound::new("time of the finish", "finish_s", "s", 30.0, 1200.0);
/// Height of a kitchen over the sea.
pub const ALTITUDE: Bound = Bound::new("altitude", "altitude_m", "m", -100.0, 4500.0);
/// Reading of a thermometer in ice water.
pub const THERMOMETER_OFFSET: Bound = Bound::new(
    "reading in ice water",
    "thermometer_offset_k",
    "K",
    -5.0,
    5.0,
);
/// Things done in the middle of a cook.
pub const ACTIONS: Bound = Bound::new("actions", "actions", "actions", 0.0, 20.0);
/// Weight of a dish added beside the meat.
pub const SIDE_MASS: Bound =
    Bound::new("weight of the side dish", "side_mass_g", "g", 20.0, 5000.0);

/// Time in the machine that a deadline leaves.
pub const DEADLINE: Bound = Bound::new("time left", "within_s", "s", 120.0, 14_400.0);
/// Time that a recipe gives.
pub const RECIPE: Bound = Bound::new("time of the recipe", "recipe_s", "s", 60.0, 14_400.0);
/// The other setting of a programme.
pub const STAGE_SETTING: Bound = Bound::new("setting", "stage_setting_c", "°C", 60.0, 290.0);

/// Where a piece lies from the middle of the floor.
pub const PLACE: Bound = Bound::new("place", "place_mm", "mm", -400.0, 400.0);
/// How a piece is turned.
pub const TURNED: Bound = Bound::new("turn of a piece", "turned_rad", "rad", -100.0, 100.0);

/// Radius of the corners of a floor.
pub const CORNER: Bound = Bound::new("corner radius", "floor_corner_mm", "mm", 0.0, 300.0);
/// From the floor to the element.
pub const ELEMENT: Bound = Bound::new("distance to the element", "element_mm", "mm", 40.0, 450.0);
/// Height of a rack over the floor.
pub const RACK: Bound = Bound::new("height of a rack", "rack_mm", "mm", 0.0, 370.0);
/// Racks in a machine.
pub const RACKS: Bound = Bound::new("racks", "racks_mm", "racks", 0.0, 5.0);
/// Length of a spit between its forks.
pub const SPIT_LENGTH: Bound = Bound::new(
    "length between the forks",
    "spit_length_mm",
    "mm",
    80.0,
    500.0,
);
/// Largest diameter that turns on a spit.
pub const SPIT_DIAMETER: Bound =
    Bound::new("diameter that turns", "spit_diameter_mm", "mm", 50.0, 350.0);
/// The most a spit carries.
pub const SPIT_MASS: Bound = Bound::new(
    "weight the spit carries",
    "spit_heaviest_g",
    "g",
    300.0,
    6000.0,
);
/// Volume of a tumbling basket.
pub const TUMBLER: Bound = Bound::new("volume of the basket", "tumbler_l", "l", 0.5, 20.0);
/// What an empty machine needs to its usual setting.
pub const PREHEAT: Bound = Bound::new("preheat time", "preheat_s", "s", 30.0, 1800.0);
/// The longest time a timer takes.
pub const TIMER: Bound = Bound::new("longest time of the timer", "timer_s", "s", 600.0, 86_400.0);
/// Heat of a machine over that of its kind.
pub const HEAT_FACTOR: Bound = Bound::new("heat factor", "heat_factor", "of its kind", 0.5, 1.6);
/// What the air of a machine is hotter than its dial says.
pub const OFFSET: Bound = Bound::new("offset of the dial", "offset_k", "K", -40.0, 40.0);
/// Spread of the heat of a machine that was learned.
pub const HEAT_SPREAD: Bound = Bound::new("spread of the heat", "heat_spread", "", 0.0, 0.5);
/// How many times as fast faces brown in a machine as in its kind.
pub const BROWNING_FACTOR: Bound = Bound::new(
    "browning factor",
    "browning_factor",
    "of its kind",
    0.4,
    2.5,
);
/// Spread of that, as a logarithm.
pub const BROWNING_SPREAD: Bound =
    Bound::new("spread of the browning", "browning_spread", "", 0.0, 0.5);
/// Part of its offset that is correlated with the heat.
pub const TOGETHER: Bound = Bound::new(
    "offset that goes with the heat",
    "together_k",
    "K",
    -40.0,
    40.0,
);
/// Spread of its offset besides.
pub const OFFSET_SPREAD: Bound =
    Bound::new("spread of the offset", "offset_spread_k", "K", 0.0, 30.0);
/// How many times as thick as usual for its weight a cut is bought.
pub const THICKNESS_FACTOR: Bound = Bound::new(
    "thickness that was learned",
    "thickness_factor",
    "of the usual",
    0.5,
    2.0,
);
/// Spread of that.
pub const THICKNESS_SPREAD: Bound =
    Bound::new("spread of the thickness", "thickness_spread", "", 0.0, 0.5);
/// How much warmer than a usual fridge it goes in.
pub const START_OFFSET: Bound =
    Bound::new("start that was learned", "start_offset_k", "K", -4.0, 16.0);
/// Spread of that.
pub const START_SPREAD: Bound = Bound::new("spread of the start", "start_spread_k", "K", 0.0, 30.0);
/// Gap to leave around each piece.
pub const GAP: Bound = Bound::new("gap", "gap_mm", "mm", 0.0, 30.0);
/// Number of a batch, or of a drawer or rack, in a layout by hand.
pub const TRAY: Bound = Bound::new("number of a batch or level", "batch", "", 1.0, 60.0);
/// A time in the fridge before the cook.
pub const AHEAD: Bound = Bound::new("time ahead", "ahead_s", "s", 0.0, 259_200.0);
/// Things done before the cook.
pub const AHEADS: Bound = Bound::new("things done ahead", "ahead", "things", 0.0, 12.0);
/// On the counter, and in a hot kitchen: food safety agencies (from memory).
pub const COUNTER: Bound = Bound::new("time on the counter", "counter_s", "s", 0.0, 7200.0);
/// See [`COUNTER`].
pub const HOT_COUNTER: Bound = Bound::new(
    "time on the counter of a hot kitchen",
    "counter_s",
    "s",
    0.0,
    3600.0,
);
/// In a pot.
pub const PARBOIL: Bound = Bound::new("time in the pot", "parboil_s", "s", 0.0, 3600.0);

/// All of them, for descriptions of an interface and for generators.
pub const ALL: [Bound; 61] = [
    OFF,
    KEEP_IN,
    BATCH_MASS,
    TIMER,
    ACTION_SHARE,
    ACTION_BEFORE_END,
    ACTION_EVERY,
    FINISH,
    ALTITUDE,
    THERMOMETER_OFFSET,
    AHEAD,
    AHEADS,
    COUNTER,
    HOT_COUNTER,
    PARBOIL,
    PIECES,
    PIECE_MASS,
    THICKNESS,
    START,
    SETTING,
    CORE_TARGET,
    ROOM,
    WATTS,
    FLOOR,
    CAVITY_HEIGHT,
    READING,
    AIR_READING,
    DOOR_OPEN,
    STEP,
    AGO,
    STAGE_TIME,
    ACTION_AT,
    ACTIONS,
    SIDE_MASS,
    DEADLINE,
    RECIPE,
    STAGE_SETTING,
    PLACE,
    TURNED,
    CORNER,
    ELEMENT,
    RACK,
    RACKS,
    SPIT_LENGTH,
    SPIT_DIAMETER,
    SPIT_MASS,
    TUMBLER,
    PREHEAT,
    HEAT_FACTOR,
    OFFSET,
    HEAT_SPREAD,
    BROWNING_FACTOR,
    BROWNING_SPREAD,
    TOGETHER,
    OFFSET_SPREAD,
    THICKNESS_FACTOR,
    THICKNESS_SPREAD,
    START_OFFSET,
    START_SPREAD,
    GAP,
    TRAY,
];
