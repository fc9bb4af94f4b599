//! Machines as a cook knows them.

use crate::units::{Length, Power, Temperature, TemperatureDifference};

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
    },
}

/// One machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Machine {
    /// What the cook calls it.
    pub name: String,
    /// Kind.
    pub kind: MachineKind,
    /// Usable floor of one layer.
    pub floor: Floor,
    /// Free height over the floor.
    pub height: Length,
    /// Rated power.
    pub power: Power,
    /// Lowest setting.
    pub lowest: Temperature,
    /// Highest setting.
    pub highest: Temperature,
    /// Step of the dial.
    pub step: TemperatureDifference,
}

/// A machine of a typical size, in neutral words.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Preset {
    /// Name used in links.
    pub id: &'static str,
    /// Name shown.
    pub name: &'static str,
    /// Kind.
    pub kind: MachineKind,
    /// Usable floor.
    pub floor: Floor,
    /// Free height, mm.
    pub height: Length,
    /// Rated power.
    pub power: Power,
    /// Lowest and highest setting.
    pub range: [Temperature; 2],
}

const fn mm(value: f64) -> Length {
    Length::from_millimetres(value)
}

const fn range(low: f64, high: f64) -> [Temperature; 2] {
    [
        Temperature::from_celsius(low),
        Temperature::from_celsius(high),
    ]
}

/// Typical machines; sizes are common practice.
pub static PRESETS: [Preset; 7] = [
    Preset {
        id: "compact_drum",
        name: "a compact drum",
        kind: MachineKind::Drawer,
        floor: Floor::Round {
            diameter: mm(220.0),
        },
        height: mm(90.0),
        power: Power::from_watts(1400.0),
        range: range(80.0, 200.0),
    },
    Preset {
        id: "family_drawer",
        name: "a family drawer",
        kind: MachineKind::Drawer,
        floor: Floor::Rectangular {
            width: mm(250.0),
            depth: mm(250.0),
        },
        height: mm(110.0),
        power: Power::from_watts(1700.0),
        range: range(60.0, 204.0),
    },
    Preset {
        id: "shelves",
        name: "an oven with shelves",
        kind: MachineKind::OvenStyle,
        floor: Floor::Rectangular {
            width: mm(300.0),
            depth: mm(280.0),
        },
        height: mm(130.0),
        power: Power::from_watts(1700.0),
        range: range(60.0, 232.0),
    },
    Preset {
        id: "lidded_grill",
        name: "a lidded grill",
        kind: MachineKind::LiddedGrill,
        floor: Floor::Rectangular {
            width: mm(260.0),
            depth: mm(240.0),
        },
        height: mm(110.0),
        power: Power::from_watts(1750.0),
        range: range(100.0, 260.0),
    },
    Preset {
        id: "twin_drawers",
        name: "twin drawers",
        kind: MachineKind::TwinDrawers,
        floor: Floor::Rectangular {
            width: mm(190.0),
            depth: mm(270.0),
        },
        height: mm(110.0),
        power: Power::from_watts(2400.0),
        range: range(70.0, 200.0),
    },
    Preset {
        id: "fan_oven",
        name: "a household oven, fan on",
        kind: MachineKind::FanOven,
        floor: Floor::Rectangular {
            width: mm(430.0),
            depth: mm(350.0),
        },
        height: mm(200.0),
        power: Power::from_watts(2800.0),
        range: range(60.0, 250.0),
    },
    Preset {
        id: "still_oven",
        name: "a household oven, no fan",
        kind: MachineKind::StillOven,
        floor: Floor::Rectangular {
            width: mm(430.0),
            depth: mm(350.0),
        },
        height: mm(200.0),
        power: Power::from_watts(2500.0),
        range: range(60.0, 250.0),
    },
];

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
}

impl Floor {
    /// Usable area, m².
    ///
    /// ```
    /// use ember_core::{fryer::Floor, units::Length};
    /// let drum = Floor::Round { diameter: Length::from_millimetres(200.0) };
    /// assert!((drum.area() - 0.0314).abs() < 1e-4);
    /// ```
    #[must_use]
    pub fn area(self) -> f64 {
        match self {
            Self::Round { diameter } => {
                std::f64::consts::FRAC_PI_4 * diameter.metres() * diameter.metres()
            }
            Self::Rectangular { width, depth } => width.metres() * depth.metres(),
        }
    }

    /// The longest straight piece that lies on it.
    #[must_use]
    pub fn longest(self) -> Length {
        match self {
            Self::Round { diameter } => diameter,
            Self::Rectangular { width, depth } => {
                Length::from_millimetres(width.millimetres().hypot(depth.millimetres()))
            }
        }
    }
}

impl Preset {
    /// The machine under the preset's own name, with a dial in steps of 5 °C.
    ///
    /// ```
    /// let typical = ember_core::fryer::PRESETS[0].machine();
    /// assert_eq!(typical.highest.celsius(), 200.0);
    /// ```
    #[must_use]
    pub fn machine(&self) -> Machine {
        let [lowest, highest] = self.range;
        Machine {
            name: self.name.to_owned(),
            kind: self.kind,
            floor: self.floor,
            height: self.height,
            power: self.power,
            lowest,
            highest,
            step: TemperatureDifference::from_kelvins(5.0),
        }
    }
}
