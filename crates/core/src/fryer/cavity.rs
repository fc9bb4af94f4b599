//! Air and element of a machine: one heat capacity with losses, a thermostat, a power ceiling.

use super::machine::MachineKind;
use crate::heat::{Facing, Surroundings};

/// The constants of a kind of machine; one set per kind, none per cut.
///
/// Values start from a trial that met the common-practice rows of `trade-facts.csv`; what was
/// changed to meet which rows is in `docs/model.md`.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct KindLaw {
    /// Convection on a face looking up, W/(m² K).
    pub convection_up: f64,
    /// Share of that on a face looking down, in the lee of the basket.
    pub down: f64,
    /// Share of that at the sides.
    pub side: f64,
    /// Effective emissivity between meat and what it sees.
    pub emissivity: f64,
    /// Heat capacity of air, basket and inner walls as far as they follow the air, J/K.
    pub capacity: f64,
    /// Loss to the kitchen, W/K.
    pub loss: f64,
    /// Heat that the circulating air carries per kelvin, W/K: a load that takes Q watts meets air
    /// cooler by Q over this.
    pub flow: f64,
    /// Moist air exchanged with the kitchen, m³/s at cavity temperature.
    pub vent: f64,
    /// Lag of the element behind its setting, s.
    pub element_lag: f64,
    /// Time constant with which air and inner walls fall towards the kitchen while open, s; the
    /// walls keep most of their heat (common practice: a short look costs some 20-40 K).
    pub open_lag: f64,
}

impl MachineKind {
    /// The constants of the kind.
    #[must_use]
    pub const fn law(self) -> KindLaw {
        match self {
            Self::Drawer => KindLaw {
                convection_up: 74.0,
                down: 0.7,
                side: 0.8,
                emissivity: 0.6,
                capacity: 1300.0,
                loss: 2.5,
                flow: 35.0,
                vent: 0.006,
                element_lag: 60.0,
                open_lag: 90.0,
            },
            Self::OvenStyle => KindLaw {
                convection_up: 68.0,
                down: 0.7,
                side: 0.8,
                emissivity: 0.6,
                capacity: 2400.0,
                loss: 3.5,
                flow: 40.0,
                vent: 0.008,
                element_lag: 90.0,
                open_lag: 80.0,
            },
            Self::LiddedGrill => KindLaw {
                convection_up: 76.0,
                down: 1.0,
                side: 0.25,
                emissivity: 0.6,
                capacity: 2600.0,
                loss: 3.0,
                flow: 40.0,
                vent: 0.006,
                element_lag: 90.0,
                open_lag: 80.0,
            },
        }
    }
}

/// Partial pressure of water vapour in a kitchen of 20 °C and half humidity, Pa.
const KITCHEN_VAPOUR: f64 = 1170.0;

/// State of the cavity.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Cavity {
    law: KindLaw,
    power: f64,
    room: f64,
    heat: f64,
    /// Temperature of the supplied air, °C.
    pub air: f64,
    /// Temperature that the meat sees above itself, °C.
    pub element: f64,
    /// Partial pressure of water vapour, Pa.
    pub vapour: f64,
    /// Heat the load took in the last step, W.
    load: f64,
    /// Electrical energy used, J.
    pub energy: f64,
}

impl Cavity {
    /// A cold machine in a kitchen of `room` °C.
    #[must_use]
    pub fn cold(kind: MachineKind, power_watts: f64, room: f64) -> Self {
        Self {
            law: kind.law(),
            power: power_watts,
            room,
            heat: 1.0,
            air: room,
            element: room,
            vapour: KITCHEN_VAPOUR,
            load: 0.0,
            energy: 0.0,
        }
    }

    /// The same cavity in a machine whose fan carries `factor` times the usual heat.
    #[must_use]
    pub fn with_heat(mut self, factor: f64) -> Self {
        self.heat = factor;
        self
    }

    /// What a patch meets. `exposure` (1 with air all around, less when crowded) scales the
    /// convection of all but the upper faces fully, of the upper faces by half.
    #[must_use]
    pub fn around(&self, facing: Facing, exposure: f64) -> Surroundings {
        let law = &self.law;
        let sag = self.load / law.flow;
        let half = f64::midpoint(1.0, exposure);
        let (share, view, behind) = match facing {
            Facing::Vertical(up) => (
                up * half + (1.0 - up) * law.down * exposure,
                up,
                0.3 * up + 0.7 * (1.0 - up),
            ),
            Facing::Side => (law.side * exposure, 0.0, 0.5),
        };
        let air = self.air - behind * sag;
        Surroundings {
            air,
            radiant: view * self.element + (1.0 - view) * air,
            convection: law.convection_up * share * self.heat,
            emissivity: law.emissivity,
            vapour: self.vapour,
        }
    }

    /// Advances the air by `dt` seconds while the load takes `load` watts and gives off `water`
    /// kg/s. `coupling` (W/K) is how much more the load takes from warmer air; it keeps long steps
    /// stable.
    pub fn step(&mut self, dt: f64, setting: f64, load: f64, coupling: f64, water: f64) {
        let law = self.law;
        self.load = load.max(0.0);
        let inertia = law.capacity / dt;
        let wanted = inertia * (setting - self.air)
            + law.loss * (setting - self.room)
            + load
            + coupling * (setting - self.air);
        let given = wanted.clamp(0.0, self.power);
        self.energy += given * dt;
        self.air +=
            (given - law.loss * (self.air - self.room) - load) / (inertia + law.loss + coupling);
        let follow = 1.0 - (-dt / law.element_lag).exp();
        self.element += (setting.min(self.air + 40.0) - self.element) * follow;
        let kelvin = self.air + crate::units::ZERO_CELSIUS_IN_KELVIN;
        let steam = water.max(0.0) * crate::meat::water::VAPOUR_GAS_CONSTANT * kelvin / law.vent;
        let target = (KITCHEN_VAPOUR + steam).min(0.9 * crate::meat::water::PRESSURE);
        // The cavity's few litres are exchanged within seconds.
        self.vapour += (target - self.vapour) * (1.0 - (-dt / 10.0).exp());
    }

    /// Lets the drawer or door stand open for `seconds`.
    pub fn open(&mut self, seconds: f64) {
        let keep = (-seconds / self.law.open_lag).exp();
        self.air = self.room + (self.air - self.room) * keep;
        self.vapour = KITCHEN_VAPOUR + (self.vapour - KITCHEN_VAPOUR) * keep * keep;
    }
}
