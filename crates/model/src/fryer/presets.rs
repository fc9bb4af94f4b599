//! Machines of typical sizes, in neutral words.

use std::f64::consts::PI;

use super::machine::{Dial, Floor, Machine, MachineKind, Spit};
use crate::units::bounds;
use crate::units::{Length, Mass, Power, Temperature, TemperatureDifference};

/// A machine of a typical size.
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
    /// Free height over the floor.
    pub height: Length,
    /// Heights of the racks over the floor.
    pub racks: &'static [Length],
    /// Its spit.
    pub spit: Option<Spit>,
    /// Litres of its tumbling basket.
    pub tumbler: Option<f64>,
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

/// What the others differ from.
const PLAIN: Preset = Preset {
    id: "",
    name: "",
    kind: MachineKind::Drawer,
    floor: Floor::Round {
        diameter: mm(220.0),
    },
    height: mm(110.0),
    racks: &[],
    spit: None,
    tumbler: None,
    power: Power::from_watts(1700.0),
    range: range(60.0, 204.0),
};

/// Typical machines; sizes are common practice.
pub static PRESETS: [Preset; 7] = [
    Preset {
        id: "compact_drum",
        name: "a compact drum",
        height: mm(90.0),
        power: Power::from_watts(1400.0),
        range: range(80.0, 200.0),
        ..PLAIN
    },
    Preset {
        id: "family_drawer",
        name: "a family drawer",
        floor: Floor::rectangular(mm(250.0), mm(250.0)),
        ..PLAIN
    },
    Preset {
        id: "shelves",
        name: "an oven with shelves",
        kind: MachineKind::OvenStyle,
        floor: Floor::rectangular(mm(300.0), mm(280.0)),
        height: mm(190.0),
        racks: &[mm(20.0), mm(75.0), mm(130.0)],
        spit: Some(Spit {
            length: mm(230.0),
            diameter: mm(150.0),
            heaviest: Mass::from_grams(2000.0),
        }),
        tumbler: Some(3.5),
        range: range(60.0, 232.0),
        ..PLAIN
    },
    Preset {
        id: "lidded_grill",
        name: "a lidded grill",
        kind: MachineKind::LiddedGrill,
        floor: Floor::rectangular(mm(260.0), mm(240.0)),
        power: Power::from_watts(1750.0),
        range: range(100.0, 260.0),
        ..PLAIN
    },
    Preset {
        id: "twin_drawers",
        name: "twin drawers",
        kind: MachineKind::TwinDrawers,
        floor: Floor::rectangular(mm(190.0), mm(270.0)),
        power: Power::from_watts(2400.0),
        range: range(70.0, 200.0),
        ..PLAIN
    },
    Preset {
        id: "fan_oven",
        name: "a household oven, fan on",
        kind: MachineKind::FanOven,
        floor: Floor::rectangular(mm(430.0), mm(350.0)),
        height: mm(200.0),
        power: Power::from_watts(2800.0),
        range: range(60.0, 250.0),
        ..PLAIN
    },
    Preset {
        id: "still_oven",
        name: "a household oven, no fan",
        kind: MachineKind::StillOven,
        floor: Floor::rectangular(mm(430.0), mm(350.0)),
        height: mm(200.0),
        power: Power::from_watts(2500.0),
        range: range(60.0, 250.0),
        ..PLAIN
    },
];

impl Preset {
    /// The machine under the preset's own name, with a dial in steps of 5 °C.
    ///
    /// ```
    /// let typical = ember_model::fryer::PRESETS[0].machine();
    /// assert_eq!(typical.highest.celsius(), 200.0);
    /// typical.check().unwrap();
    /// ```
    #[must_use]
    pub fn machine(&self) -> Machine {
        let [lowest, highest] = self.range;
        Machine {
            name: self.name.to_owned(),
            kind: self.kind,
            floor: self.floor,
            height: self.height,
            element: self.height,
            racks: self.racks.to_vec(),
            spit: self.spit,
            tumbler: self.tumbler,
            power: self.power,
            lowest,
            highest,
            step: TemperatureDifference::from_kelvins(5.0),
            preheat: None,
            dial: Dial::default(),
            calibration: super::Calibration::default(),
        }
    }
}

/// Up to this a single drawer is a compact drum rather than a family drawer, l.
const COMPACT: f64 = 4.5;

/// A machine of a kind with a capacity as its label gives it, l: the typical one of that kind, larger or
/// smaller in all directions. What labels say is about what can be used (common practice); of twin
/// drawers each has half.
///
/// ```
/// use ember_model::fryer::{MachineKind, PRESETS, typical};
/// let small = typical(MachineKind::Drawer, 2.5);
/// let large = typical(MachineKind::Drawer, 8.0);
/// assert!(small.height < large.height && small.check().is_ok() && large.check().is_ok());
/// // One of the typical size is the typical one: 250 by 250 by 110 mm are 6.9 l.
/// let family = typical(MachineKind::Drawer, 6.875);
/// assert_eq!(family.floor, PRESETS[1].floor);
/// ```
#[must_use]
pub fn typical(kind: MachineKind, litres: f64) -> Machine {
    let of_kind = |preset: &&Preset| preset.kind == kind;
    let preset = match kind {
        MachineKind::Drawer if litres > COMPACT => PRESETS.iter().filter(of_kind).nth(1),
        _ => PRESETS.iter().find(of_kind),
    };
    let mut machine = preset.unwrap_or(&PRESETS[0]).machine();
    let drawers = if kind == MachineKind::TwinDrawers {
        2.0
    } else {
        1.0
    };
    let times = (litres / drawers / volume(&machine)).cbrt();
    let scaled = |length: Length, bound: bounds::Bound| {
        let mm = (length.millimetres() * times).round();
        Length::from_millimetres(mm.clamp(bound.min, bound.max))
    };
    machine.floor = match machine.floor {
        Floor::Round { diameter } => Floor::Round {
            diameter: scaled(diameter, bounds::FLOOR),
        },
        Floor::Rectangular {
            width,
            depth,
            corner,
        } => Floor::Rectangular {
            width: scaled(width, bounds::FLOOR),
            depth: scaled(depth, bounds::FLOOR),
            corner,
        },
    };
    machine.height = scaled(machine.height, bounds::CAVITY_HEIGHT);
    machine.element = scaled(machine.element, bounds::ELEMENT);
    for rack in &mut machine.racks {
        *rack = scaled(*rack, bounds::RACK);
    }
    // Racks that no longer fit are left out, not guessed.
    if machine.check().is_err() {
        machine.racks.clear();
        machine.spit = None;
    }
    machine
}

/// What can be used of it, l.
fn volume(machine: &Machine) -> f64 {
    let height = machine.height.millimetres();
    let area = match machine.floor {
        Floor::Round { diameter } => PI / 4.0 * diameter.millimetres().powi(2),
        Floor::Rectangular { width, depth, .. } => width.millimetres() * depth.millimetres(),
    };
    area * height * 1e-6
}
