//! Machines of typical sizes, in neutral words.

use super::machine::{Dial, Floor, Machine, MachineKind, Spit};
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
    /// let typical = ember_core::fryer::PRESETS[0].machine();
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
            truth: super::Truth::default(),
        }
    }
}
