//! Machines as a cook knows them.

use crate::told_by_message;
use crate::units::bounds::{self, OutOfBounds};
use crate::units::round_to_step;
use crate::units::{
    Interval, Length, Mass, Message, Power, Quantity, Temperature, TemperatureDifference,
    TemperatureScale,
};

/// How a machine is built, which decides how its heat reaches the meat.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum MachineKind {
    /// One drawer with a basket; fan and element close above.
    Drawer,
    /// A small oven with racks, fan and element above.
    OvenStyle,
    /// A grill plate under a lid with fan and element.
    LiddedGrill,
    /// Two drawers, each with its own fan and element, sharing the power.
    TwinDrawers,
    /// A household oven with its fan on, for comparison.
    FanOven,
    /// A household oven without fan: heat from below and above, for comparison.
    StillOven,
}

/// The usable floor seen from above.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Floor {
    /// A round basket.
    Round {
        /// Inside diameter.
        diameter: Length,
    },
    /// A basket or rack with corners.
    Rectangular {
        /// Inside width.
        width: Length,
        /// Inside depth.
        depth: Length,
        /// Radius of the corners.
        corner: Length,
    },
}

/// A spit that turns.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Spit {
    /// Between the forks at their widest.
    pub length: Length,
    /// Largest diameter that turns free of walls and element.
    pub diameter: Length,
    /// The most its motor carries.
    pub heaviest: Mass,
}

/// How far a machine is from what its kind and its dial promise.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Calibration {
    /// Heat its air carries over that of its kind.
    pub heat: f64,
    /// What its air is hotter than the dial says.
    pub offset: TemperatureDifference,
}

/// The marks on a dial, and how its timer runs.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Dial {
    /// The scale it is marked in, if the cook has said.
    pub scale: Option<TemperatureScale>,
    /// The longest time its timer takes.
    pub longest: Option<Interval>,
    /// Whether the timer stops while the machine is open.
    pub stops_open: bool,
}

/// One machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Machine {
    /// What the cook calls it.
    pub name: String,
    /// Kind.
    pub kind: MachineKind,
    /// Usable floor of one layer; of each drawer where there are two.
    pub floor: Floor,
    /// Free height over the floor, to the guard or whatever hangs lowest.
    pub height: Length,
    /// From the floor to the element.
    pub element: Length,
    /// Heights over the floor at which a rack can stand, from below.
    pub racks: Vec<Length>,
    /// Its spit, if it has one.
    pub spit: Option<Spit>,
    /// Volume of its tumbling basket in litres, if it has one.
    pub tumbler: Option<f64>,
    /// Rated power.
    pub power: Power,
    /// Lowest setting.
    pub lowest: Temperature,
    /// Highest setting.
    pub highest: Temperature,
    /// Step of the dial.
    pub step: TemperatureDifference,
    /// What the empty machine needs to its usual setting, if the cook knows.
    pub preheat: Option<Interval>,
    /// Its dial and its timer.
    pub dial: Dial,
    /// How true it is.
    pub calibration: Calibration,
}

/// Why a machine cannot be.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum MachineError {
    /// A measure outside its bound.
    OutOfBounds(OutOfBounds),
    /// The dial runs backwards.
    Dial {
        /// Lowest setting.
        lowest: Temperature,
        /// Highest setting.
        highest: Temperature,
    },
    /// The element hangs in the usable height.
    ElementInTheWay {
        /// From the floor to the element.
        element: Length,
        /// Free height.
        height: Length,
    },
    /// Corners rounder than the floor is wide.
    Corner {
        /// Radius of the corners.
        corner: Length,
        /// The narrower side.
        side: Length,
    },
    /// A rack above the usable height, or too near to the one below.
    Rack {
        /// Height of the rack.
        at: Length,
        /// Free height over it.
        room: Length,
        /// The height that is needed, mm.
        least: f64,
    },
    /// A spit that does not go into the machine.
    SpitTooLong {
        /// Between the forks.
        length: Length,
        /// The longer side of the floor.
        longest: Length,
    },
    /// Something that kinds of machine without an oven's room do not have.
    NotInThisKind {
        /// What.
        what: &'static str,
    },
}

impl MachineError {
    /// The error and the way out, with its quantities left open.
    #[must_use]
    pub fn message(&self) -> Message {
        match *self {
            Self::OutOfBounds(error) => error.message(),
            Self::Dial { lowest, highest } => Message::with(
                "the lowest setting {} is above the highest, {}; swap them",
                [Quantity::Setting(lowest), Quantity::Setting(highest)],
            ),
            Self::ElementInTheWay { element, height } => Message::with(
                "the element is {} over the floor, below the {} that are said to be free; measure \
                 both again",
                [Quantity::Length(element), Quantity::Length(height)],
            ),
            Self::Corner { corner, side } => Message::with(
                "corners of {} do not fit a floor {} wide; at most half of that",
                [Quantity::Length(corner), Quantity::Length(side)],
            ),
            Self::Rack { at, room, least } => Message::with(
                "a rack at {} leaves {} above it; at least {} are needed",
                [at, room, Length::from_millimetres(least)].map(Quantity::Length),
            ),
            Self::SpitTooLong { length, longest } => Message::with(
                "a spit of {} does not go into a machine {} wide; measure between the forks",
                [length, longest].map(Quantity::Length),
            ),
            Self::NotInThisKind { what } => Message::plain(format!(
                "a drawer or a grill has no {what}; choose an oven style, or remove it"
            )),
        }
    }
}

impl From<OutOfBounds> for MachineError {
    fn from(error: OutOfBounds) -> Self {
        Self::OutOfBounds(error)
    }
}

told_by_message!(MachineError);

/// Corners of a drawer are rounded by about this, mm (common practice).
pub const USUAL_CORNER: Length = Length::from_millimetres(12.0);
/// Free height a rack must have above it, mm: a chop and some air.
const LEAST_OVER_A_RACK: f64 = 30.0;

impl MachineKind {
    /// Every kind.
    pub const ALL: [Self; 6] = [
        Self::Drawer,
        Self::TwinDrawers,
        Self::OvenStyle,
        Self::LiddedGrill,
        Self::FanOven,
        Self::StillOven,
    ];

    /// The name used in stored plans and on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::Drawer => "drawer",
            Self::OvenStyle => "oven_style",
            Self::LiddedGrill => "lidded_grill",
            Self::TwinDrawers => "twin_drawers",
            Self::FanOven => "fan_oven",
            Self::StillOven => "still_oven",
        }
    }

    /// The cook's words.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Drawer => "one drawer",
            Self::OvenStyle => "oven style",
            Self::LiddedGrill => "lidded grill",
            Self::TwinDrawers => "two drawers",
            Self::FanOven => "household oven, fan on",
            Self::StillOven => "household oven, no fan",
        }
    }

    /// Whether it has the room of an oven: racks, a spit, a tumbling basket.
    #[must_use]
    pub const fn is_oven(self) -> bool {
        matches!(self, Self::OvenStyle | Self::FanOven | Self::StillOven)
    }
}

impl Default for Calibration {
    /// As its kind and its dial promise.
    fn default() -> Self {
        Self {
            heat: 1.0,
            offset: TemperatureDifference::from_kelvins(0.0),
        }
    }
}

impl Floor {
    /// A floor with corners rounded as usual.
    #[must_use]
    pub const fn rectangular(width: Length, depth: Length) -> Self {
        Self::Rectangular {
            width,
            depth,
            corner: USUAL_CORNER,
        }
    }

    /// Usable area, m².
    ///
    /// ```
    /// use ember_model::{fryer::Floor, units::Length};
    /// let drum = Floor::Round { diameter: Length::from_millimetres(200.0) };
    /// assert!((drum.area() - 0.0314).abs() < 1e-4);
    /// ```
    #[must_use]
    pub fn area(self) -> f64 {
        use std::f64::consts::{FRAC_PI_4, PI};
        match self {
            Self::Round { diameter } => FRAC_PI_4 * diameter.metres() * diameter.metres(),
            Self::Rectangular {
                width,
                depth,
                corner,
            } => width.metres() * depth.metres() - (4.0 - PI) * corner.metres() * corner.metres(),
        }
    }

    /// Its box: width and depth.
    #[must_use]
    pub const fn sides(self) -> [Length; 2] {
        match self {
            Self::Round { diameter } => [diameter, diameter],
            Self::Rectangular { width, depth, .. } => [width, depth],
        }
    }

    /// The longest straight piece that lies on it.
    #[must_use]
    pub fn longest(self) -> Length {
        match self {
            Self::Round { diameter } => diameter,
            Self::Rectangular { width, depth, .. } => {
                Length::from_millimetres(width.millimetres().hypot(depth.millimetres()))
            }
        }
    }

    fn check(self) -> Result<(), MachineError> {
        let sides = self.sides();
        for side in sides {
            bounds::FLOOR.check(side.millimetres())?;
        }
        if let Self::Rectangular { corner, .. } = self {
            bounds::CORNER.check(corner.millimetres())?;
            let [a, b] = sides;
            let side = if a < b { a } else { b };
            if 2.0 * corner.millimetres() > side.millimetres() {
                return Err(MachineError::Corner { corner, side });
            }
        }
        Ok(())
    }
}

impl Machine {
    /// Whether such a machine can be.
    ///
    /// # Errors
    /// The first [`MachineError`] in the order a cook measures.
    ///
    /// ```
    /// use ember_model::{fryer::PRESETS, units::Length};
    /// let mut flat = PRESETS[0].machine();
    /// flat.height = Length::from_millimetres(0.0);
    /// assert_eq!(flat.check().unwrap_err().to_string(),
    ///            "usable height is 0 mm; it can be 40 mm to 400 mm");
    /// ```
    pub fn check(&self) -> Result<(), MachineError> {
        self.floor.check()?;
        bounds::CAVITY_HEIGHT.check(self.height.millimetres())?;
        bounds::ELEMENT.check(self.element.millimetres())?;
        if self.element < self.height {
            return Err(MachineError::ElementInTheWay {
                element: self.element,
                height: self.height,
            });
        }
        self.check_racks()?;
        self.check_turning()?;
        bounds::WATTS.check(self.power.watts())?;
        bounds::SETTING.check(self.lowest.celsius())?;
        bounds::SETTING.check(self.highest.celsius())?;
        bounds::STEP.check(self.step.kelvins())?;
        if self.lowest > self.highest {
            return Err(MachineError::Dial {
                lowest: self.lowest,
                highest: self.highest,
            });
        }
        if let Some(time) = self.dial.longest {
            bounds::TIMER.check(time.seconds())?;
        }
        if let Some(time) = self.preheat {
            bounds::PREHEAT.check(time.seconds())?;
        }
        bounds::HEAT_FACTOR.check(self.calibration.heat)?;
        bounds::OFFSET.check(self.calibration.offset.kelvins())?;
        Ok(())
    }

    /// A setting as the dial has it: an end of the dial where both show the same number, in whole °C
    /// or in steps of 5 °F.
    ///
    /// ```
    /// use ember_model::{fryer::PRESETS, units::Temperature};
    /// let mut machine = PRESETS[0].machine();
    /// machine.highest = Temperature::from_celsius(204.0);
    /// let top = machine.on_dial(Temperature::from_fahrenheit(400.0));
    /// assert_eq!(top, machine.highest);
    /// assert!(machine.on_dial(Temperature::from_fahrenheit(405.0)) > machine.highest);
    /// ```
    #[must_use]
    pub fn on_dial(&self, setting: Temperature) -> Temperature {
        /// The usual step of a dial in °F.
        const STEP_F: f64 = 5.0;
        let shown_alike = |end: &Temperature| {
            let steps = |temperature: Temperature| (temperature.fahrenheit() / STEP_F).round();
            let whole = |temperature: Temperature| temperature.celsius().round();
            let celsius = whole(*end) == whole(setting);
            let fahrenheit = steps(*end) == steps(setting);
            match self.dial.scale {
                Some(TemperatureScale::Celsius) => celsius,
                Some(TemperatureScale::Fahrenheit) => fahrenheit,
                None => celsius || fahrenheit,
            }
        };
        let outside = setting < self.lowest || setting > self.highest;
        let mut ends = [self.lowest, self.highest].into_iter();
        ends.find(|end| outside && shown_alike(end))
            .unwrap_or(setting)
    }

    /// A recommended setting on the nearest mark of the dial, no higher than it goes.
    ///
    /// ```
    /// use ember_model::{fryer::PRESETS, units::{Temperature, TemperatureDifference, TemperatureScale}};
    /// let mut machine = PRESETS[1].machine();
    /// machine.dial.scale = Some(TemperatureScale::Fahrenheit);
    /// machine.step = TemperatureDifference::from_fahrenheit_degrees(5.0);
    /// // 195 °C are 383 °F: the mark beside it is 385.
    /// let mark = machine.nearest_mark(Temperature::from_celsius(195.0));
    /// assert!((mark.fahrenheit() - 385.0).abs() < 1e-9);
    /// ```
    #[must_use]
    pub fn nearest_mark(&self, wanted: Temperature) -> Temperature {
        if wanted >= self.highest {
            return self.highest;
        }
        let step = self.step.kelvins().max(1.0);
        let mark = match self.dial.scale {
            Some(TemperatureScale::Fahrenheit) => Temperature::from_fahrenheit(round_to_step(
                wanted.fahrenheit(),
                (step * 1.8).round(),
            )),
            _ => Temperature::from_celsius(round_to_step(wanted.celsius(), step)),
        };
        let least = if mark < self.lowest {
            self.lowest
        } else {
            mark
        };
        if least > self.highest {
            self.highest
        } else {
            least
        }
    }

    fn check_racks(&self) -> Result<(), MachineError> {
        bounds::RACKS.check(self.racks.len() as f64)?;
        if !self.racks.is_empty() && !self.kind.is_oven() {
            return Err(MachineError::NotInThisKind { what: "racks" });
        }
        for (n, rack) in self.racks.iter().enumerate() {
            bounds::RACK.check(rack.millimetres())?;
            let above = self.racks.get(n + 1).unwrap_or(&self.height);
            let room = above.millimetres() - rack.millimetres();
            if room < LEAST_OVER_A_RACK {
                return Err(MachineError::Rack {
                    at: *rack,
                    room: Length::from_millimetres(room),
                    least: LEAST_OVER_A_RACK,
                });
            }
        }
        Ok(())
    }

    fn check_turning(&self) -> Result<(), MachineError> {
        let oven = self.kind.is_oven();
        if let Some(spit) = self.spit {
            if !oven {
                return Err(MachineError::NotInThisKind { what: "spit" });
            }
            bounds::SPIT_LENGTH.check(spit.length.millimetres())?;
            bounds::SPIT_DIAMETER.check(spit.diameter.millimetres())?;
            bounds::SPIT_MASS.check(spit.heaviest.grams())?;
            let [a, b] = self.floor.sides();
            let longest = if a > b { a } else { b };
            if spit.length > longest {
                return Err(MachineError::SpitTooLong {
                    length: spit.length,
                    longest,
                });
            }
        }
        if let Some(litres) = self.tumbler {
            if !oven {
                return Err(MachineError::NotInThisKind {
                    what: "tumbling basket",
                });
            }
            bounds::TUMBLER.check(litres)?;
        }
        Ok(())
    }
}
