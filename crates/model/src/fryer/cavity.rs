//! Air and element of a machine: one heat capacity with losses, a thermostat, a power ceiling.

use super::machine::MachineKind;
use super::support::Support;
use crate::heat::{Facing, Surroundings};
use crate::meat::water::{AIR_HEAT, PRESSURE, VAPOUR_GAS_CONSTANT};
use crate::units::ZERO_CELSIUS_IN_KELVIN;

/// The constants of a kind of machine; one set per kind, none per cut.
///
/// Values start from a trial that met the common-practice rows of `trade-facts.csv`; `docs/model.md`
/// lists which values were changed to meet which rows.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct KindLaw {
    /// Convection on a face looking up, W/(m² K).
    pub convection_up: f64,
    /// Share of that on a face looking down, in the lee of the basket.
    pub down: f64,
    /// Share of that at the sides.
    pub side: f64,
    /// Share of that inside a bird.
    pub cavity: f64,
    /// Effective emissivity between meat and what it sees.
    pub emissivity: f64,
    /// How much hotter than the setting the element above is, K.
    pub element_excess: f64,
    /// Heat capacity of air, basket and inner walls as far as they follow the air, J/K.
    pub capacity: f64,
    /// Loss through the walls to the kitchen, W/K; what leaves with the air comes on top.
    pub loss: f64,
    /// Heat that the circulating air carries per kelvin, W/K: a load that takes Q watts meets air
    /// cooler by Q over this.
    pub flow: f64,
    /// Kitchen air that comes in, m³/s at cavity temperature; as much goes out, and the steam with it.
    pub vent: f64,
    /// Lag of the element behind its setting, s.
    pub element_lag: f64,
    /// Time constant with which air and inner walls fall towards the kitchen while open, s; the
    /// walls keep most of their heat (common practice: a short look costs some 20-40 K).
    pub open_lag: f64,
    /// Share of the rated power that one cavity can draw.
    pub power_share: f64,
    /// How much more it can draw when no other cavity runs.
    pub alone: f64,
    /// Width of the thermostat's band, K: full power below it, none above.
    pub band: f64,
}

/// A basket under a fan, from which the other kinds differ.
const DRAWER: KindLaw = KindLaw {
    convection_up: 58.0,
    down: 0.7,
    side: 0.8,
    cavity: 0.05,
    emissivity: 0.6,
    element_excess: 50.0,
    capacity: 1300.0,
    loss: 1.5,
    flow: 21.5,
    vent: 0.0025,
    element_lag: 60.0,
    open_lag: 90.0,
    power_share: 1.0,
    alone: 1.0,
    band: 6.0,
};

impl MachineKind {
    /// The constants of the kind.
    #[must_use]
    pub const fn law(self) -> KindLaw {
        match self {
            Self::Drawer => DRAWER,
            // Smaller cavities; when both run, each has half of the power, alone some seven tenths
            // (from memory: an element has a limit of its own).
            Self::TwinDrawers => KindLaw {
                capacity: 1100.0,
                loss: 1.3,
                vent: 0.0018,
                power_share: 0.5,
                alone: 1.4,
                ..DRAWER
            },
            Self::OvenStyle => KindLaw {
                convection_up: 64.5,
                capacity: 2400.0,
                loss: 1.7,
                vent: 0.0025,
                element_lag: 90.0,
                open_lag: 80.0,
                ..DRAWER
            },
            Self::LiddedGrill => KindLaw {
                convection_up: 65.5,
                down: 1.0,
                side: 0.5,
                capacity: 2600.0,
                loss: 1.7,
                element_lag: 90.0,
                open_lag: 80.0,
                ..DRAWER
            },
            // Household ovens, for comparison: 20-30 W/(m² K) with the fan, 8-12 without, and hot
            // walls all around (from memory).
            Self::FanOven => KindLaw {
                convection_up: 28.0,
                down: 0.9,
                side: 0.9,
                emissivity: 0.85,
                element_excess: 0.0,
                capacity: 9000.0,
                loss: 3.0,
                flow: 60.0,
                vent: 0.004,
                element_lag: 120.0,
                open_lag: 120.0,
                band: 10.0,
                ..DRAWER
            },
            Self::StillOven => KindLaw {
                convection_up: 10.0,
                down: 0.8,
                side: 0.9,
                emissivity: 0.9,
                element_excess: 15.0,
                capacity: 9000.0,
                loss: 3.0,
                flow: 60.0,
                vent: 0.003,
                element_lag: 120.0,
                open_lag: 120.0,
                band: 10.0,
                ..DRAWER
            },
        }
    }
}

/// How far behind the meat the air is that a lower face meets.
const BELOW: f64 = 0.7;
/// Heat capacity of steam, J/(kg K) (steam tables, from memory).
const STEAM_HEAT: f64 = 1950.0;
/// Partial pressure of water vapour in a kitchen of 20 °C and half humidity, Pa.
const KITCHEN_VAPOUR: f64 = 1170.0;
/// The element is about a disc of this radius: the meat sees it the more, the nearer it is, m.
const ELEMENT_RADIUS: f64 = 0.09;
/// Heat that still air brings through foil, W/(m² K) (from memory).
const UNDER_FOIL: f64 = 8.0;

/// Share of the moving air that a full rack above keeps from the meat below (from memory; common
/// practice: the upper rack is the hotter one, racks are swapped at the turn).
const SHADED_AIR: f64 = 0.35;

/// Where in the cavity a piece lies.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Spot {
    /// How freely the air reaches it: 1 with air all around, less when crowded.
    pub exposure: f64,
    /// Distance from the element to the meat, m.
    pub gap: f64,
    /// Share of the element and the air that a rack above keeps off.
    pub shade: f64,
}

impl Default for Spot {
    /// Alone, a hand below the element.
    fn default() -> Self {
        Self {
            exposure: 1.0,
            gap: ELEMENT_RADIUS,
            shade: 0.0,
        }
    }
}

impl Spot {
    /// Share of the half space above that the element fills (disc seen from its axis).
    fn view(self) -> f64 {
        let r = ELEMENT_RADIUS * ELEMENT_RADIUS;
        let gap = self.gap.max(0.0);
        r / (r + gap * gap) * (1.0 - self.shade)
    }
}

/// State of the cavity.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Cavity {
    law: KindLaw,
    /// Power of the whole machine, and what this cavity may draw of it, W.
    rated: f64,
    power: f64,
    room: f64,
    heat: f64,
    support: Support,
    /// Temperature of the supplied air, °C.
    pub air: f64,
    /// Temperature of the element above, °C.
    pub element: f64,
    /// Temperature of the metal under the meat, °C; the temperature of the air without a plate.
    pub plate: f64,
    /// Partial pressure of water vapour, Pa.
    pub vapour: f64,
    /// Heat the load takes in the step in hand, W, as far as it is known by the air's step.
    load: f64,
    /// Supplied air at which the load was last met, °C.
    met_at: f64,
    /// Electrical energy used, J.
    pub energy: f64,
    /// Pressure of the air, Pa, and what that leaves of its convection.
    pub(super) pressure: f64,
    thin: f64,
    /// Whether its spit or tumbling basket has stopped.
    standing_still: bool,
}

/// What the load does to the air in a step.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Load {
    /// Heat it took in the step before, W.
    pub heat: f64,
    /// How much more it takes from air that is one kelvin warmer, W/K.
    pub coupling: f64,
    /// The same, each face by how far it lies behind the meat.
    pub behind: f64,
    /// Water it gives off, kg/s.
    pub water: f64,
    /// Meat on a plate: area, m², and temperature, °C, of the face lying on it.
    pub lying: [f64; 2],
}

impl Cavity {
    /// A cold machine in a kitchen of `room` °C.
    #[must_use]
    pub fn cold(kind: MachineKind, power_watts: f64, room: f64) -> Self {
        Self::with_law(kind.law(), power_watts, room)
    }

    /// The same with constants of its own: for fits.
    #[must_use]
    pub fn with_law(law: KindLaw, power_watts: f64, room: f64) -> Self {
        Self {
            law,
            rated: power_watts,
            power: power_watts * law.power_share,
            room,
            heat: 1.0,
            support: Support::Basket,
            air: room,
            element: room,
            plate: room,
            vapour: KITCHEN_VAPOUR,
            load: 0.0,
            met_at: room,
            energy: 0.0,
            pressure: PRESSURE,
            thin: 1.0,
            standing_still: false,
        }
    }

    /// Its spit or basket stops, or turns again.
    pub(super) const fn spit_turns(&mut self, turns: bool) {
        self.standing_still = !turns;
    }

    /// The same cavity in thinner air, Pa.
    #[must_use]
    pub fn in_air_of(mut self, pressure: f64) -> Self {
        self.pressure = pressure;
        // Nusselt goes with the 0.6th power of Reynolds, and so of density (handbooks, from memory).
        self.thin = (pressure / PRESSURE).powf(0.6);
        self
    }

    /// The same cavity in a machine whose fan carries `factor` times the usual heat.
    #[must_use]
    pub fn with_heat(mut self, factor: f64) -> Self {
        self.heat = factor;
        self
    }

    /// The same cavity with the meat held otherwise.
    #[must_use]
    pub fn holding(mut self, support: Support) -> Self {
        self.support = support;
        self
    }

    /// The same cavity while no other on the same cable draws power, and while one does.
    #[must_use]
    pub fn alone(self) -> Self {
        self.with_share(self.law.power_share * self.law.alone)
    }

    /// See [`Self::alone`]; how a cavity begins.
    #[must_use]
    pub fn sharing(self) -> Self {
        self.with_share(self.law.power_share)
    }

    fn with_share(mut self, share: f64) -> Self {
        self.power = self.rated * share;
        self
    }

    /// Whether the meat lies on metal of its own temperature.
    #[must_use]
    pub const fn on_metal(&self) -> bool {
        self.support.plate().is_some()
    }

    /// The surroundings of a patch at a spot. The exposure scales the convection of all but the upper faces
    /// fully, of the upper faces by half.
    #[must_use]
    pub fn around(&self, facing: Facing, spot: Spot) -> Surroundings {
        let law = &self.law;
        let exposure = spot.exposure;
        let half = f64::midpoint(1.0, exposure);
        let lower = match self.support {
            // Nothing in the lee of a floor.
            Support::Rack => f64::midpoint(law.down, 1.0),
            _ => law.down,
        };
        // Share of the convection, and of the element that is seen. Under another rack the air comes
        // slower and has met that meat already.
        let blown = 1.0 - SHADED_AIR * spot.shade;
        let [up, down, side] = self.looks(facing);
        let share = match facing {
            Facing::Cavity => law.cavity,
            _ => up * half * blown + down * lower * exposure + side * law.side * exposure * blown,
        };
        let lying = match facing {
            Facing::Vertical(part) => 1.0 - part,
            Facing::Side | Facing::Cavity => 0.0,
        };
        let shielded = match (self.support, facing) {
            (Support::FoilBox, Facing::Vertical(part)) => 1.0 - part,
            (Support::FoilBox, Facing::Side) => 1.0,
            (Support::RoastingPan, Facing::Side) => 0.5,
            // Moist air seeps between the slices (from memory).
            (Support::Trivet, Facing::Vertical(part)) => 0.7 * (1.0 - part),
            _ => 0.0,
        };
        let air = self.air - self.behind(facing, spot) * self.load / law.flow;
        let seen = up * spot.view();
        let blown = law.convection_up * share * self.heat * self.thin;
        let mut met = Surroundings {
            air,
            radiant: air + seen * (self.element - air),
            convection: blown * (1.0 - shielded) + UNDER_FOIL * shielded,
            emissivity: law.emissivity * (1.0 - 0.9 * shielded),
            vapour: self.vapour,
            pressure: self.pressure,
            open: if facing == Facing::Cavity {
                0.1
            } else {
                1.0 - 0.95 * shielded
            },
        };
        if let Some(plate) = self.support.plate() {
            let contact = plate.contact * lying;
            let blown = met.convection * (1.0 - lying);
            let all = (contact + blown).max(1e-9);
            met.air = (contact * self.plate + blown * met.air) / all;
            met.convection = all;
            met.emissivity *= 1.0 - lying;
            // Vapour leaves with the air that passes, not by contact.
            met.open *= (blown + plate.open * law.convection_up * lying) / all;
        }
        met
    }

    /// Advances the air by `dt` seconds.
    ///
    /// One balance of heat, air and vapour at the end of the step. What the load takes is linear in the
    /// supplied air: with each face meeting air cooler by its part of what the load takes over what the
    /// air carries, it is known without going back and forth.
    pub fn step(&mut self, dt: f64, setting: f64, load: Load) {
        let law = self.law;
        self.heat_plate(dt, load.lying);
        // Q(air) = (Q + G (air - air before) + B Q before / flow) / (1 + B / flow)
        let carried = 1.0 / (1.0 + load.behind / law.flow);
        let slope = load.coupling * carried;
        let taken = |air: f64| {
            (load.heat + load.behind * self.load / law.flow) * carried + slope * (air - self.met_at)
        };
        // Kitchen air comes in and is heated; so is the steam.
        let kelvin = self.air + ZERO_CELSIUS_IN_KELVIN;
        let vent = law.vent * self.pressure * AIR_HEAT / kelvin + load.water.max(0.0) * STEAM_HEAT;
        let loss = law.loss + vent;
        let inertia = law.capacity / dt;
        let out = loss * self.room - taken(0.0);
        let stiffness = inertia + loss + slope;
        // The thermostat gives power in proportion within its band; the air at the end of the
        // step decides, so that long steps do not swing.
        let gain = self.power / law.band;
        let wanted = setting + law.band / 2.0;
        let end = (inertia * self.air + gain * wanted + out) / (stiffness + gain);
        let given = (gain * (wanted - end)).clamp(0.0, self.power);
        self.energy += given * dt;
        let air = (inertia * self.air + given + out) / stiffness;
        self.load = taken(air);
        self.met_at = air;
        self.air = air;
        let follow = 1.0 - (-dt / law.element_lag).exp();
        let glow = (setting + law.element_excess).min(self.air + 40.0 + law.element_excess);
        self.element += (glow - self.element) * follow;
        // Steam takes the place of air: its share of what goes out is its share of the pressure.
        let steam = load.water.max(0.0) * VAPOUR_GAS_CONSTANT * kelvin;
        let target = self.pressure * (KITCHEN_VAPOUR * law.vent + steam)
            / (self.pressure * law.vent + steam);
        // The cavity's few litres are exchanged within seconds.
        self.vapour += (target - self.vapour) * (1.0 - (-dt / 10.0).exp());
    }

    /// How far behind the meat the air is that a patch at a spot meets: 1 where it has given all that the
    /// load takes.
    pub(super) fn behind(&self, facing: Facing, spot: Spot) -> f64 {
        let [up, down, side] = self.looks(facing);
        match facing {
            Facing::Cavity => 1.0,
            _ => up * (0.3 + 0.4 * spot.shade) + down * BELOW + side * (0.5 + 0.2 * spot.shade),
        }
    }

    /// How much of its time a patch looks up, down and sideways; never into the bore of a bird.
    fn looks(&self, facing: Facing) -> [f64; 3] {
        match facing {
            Facing::Cavity => [0.0; 3],
            _ if self.support.turns_itself() && !self.standing_still => [0.25, 0.25, 0.5],
            Facing::Vertical(up) => [up, 1.0 - up, 0.0],
            Facing::Side => [0.0, 0.0, 1.0],
        }
    }

    /// Metal under the meat between air and meat, implicit in its own temperature.
    fn heat_plate(&mut self, dt: f64, [area, face]: [f64; 2]) {
        let Some(plate) = self.support.plate() else {
            self.plate = self.air;
            return;
        };
        let inertia = plate.capacity / dt;
        let contact = plate.contact * area;
        self.plate = (inertia * self.plate + plate.from_air * self.air + contact * face)
            / (inertia + plate.from_air + contact);
    }

    /// Lets the drawer or door stand open for `seconds`.
    pub fn open(&mut self, seconds: f64) {
        let keep = (-seconds / self.law.open_lag).exp();
        self.air = self.room + (self.air - self.room) * keep;
        self.vapour = KITCHEN_VAPOUR + (self.vapour - KITCHEN_VAPOUR) * keep * keep;
    }
}
