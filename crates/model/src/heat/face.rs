//! The surface: heat coming in, water going out, a dry layer between.

use crate::meat::SurfaceStart;
use crate::meat::water::{AIR_HEAT, PRESSURE, VAPOUR_GAS_CONSTANT, latent_heat, saturation};
use crate::units::ZERO_CELSIUS_IN_KELVIN;

/// The surroundings of a patch of surface at one moment.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Surroundings {
    /// Air along the patch, °C.
    pub air: f64,
    /// Surface that the patch sees, °C.
    pub radiant: f64,
    /// Convective heat transfer coefficient, W/(m² K).
    pub convection: f64,
    /// Effective emissivity between patch and what it sees.
    pub emissivity: f64,
    /// Partial pressure of water vapour in the air, Pa.
    pub vapour: f64,
    /// How freely vapour leaves the patch: 1 in moving air, 0 under foil.
    pub open: f64,
    /// Pressure of the air, Pa: less on a mountain, where water boils sooner.
    pub pressure: f64,
}

impl Surroundings {
    /// Convection alone, W/(m² K), in dry air of a temperature, °C: for comparison with exact solutions.
    ///
    /// ```
    /// use ember_model::heat::Surroundings;
    /// let oven = Surroundings::convecting(60.0, 200.0);
    /// assert_eq!((oven.air, oven.convection, oven.emissivity), (200.0, 60.0, 0.0));
    /// ```
    #[must_use]
    pub const fn convecting(convection: f64, celsius: f64) -> Self {
        Self {
            air: celsius,
            radiant: celsius,
            convection,
            emissivity: 0.0,
            vapour: 1000.0,
            open: 1.0,
            pressure: PRESSURE,
        }
    }
}

/// State of one patch of surface.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Face {
    /// Temperature of the wet front (of the surface itself while nothing is dry), °C.
    pub front: f64,
    /// Temperature of the outermost surface, °C.
    pub surface: f64,
    /// Thickness of the dry layer, m.
    pub dry_layer: f64,
    /// Free water on the surface, kg/m².
    pub film: f64,
    /// Water that has left, kg/m².
    pub lost: f64,
    /// Water that left in the last step, kg/m².
    pub leaving: f64,
    /// Browning so far, in minutes' worth at the reference temperature of [`FaceLaw`].
    pub browning: f64,
    /// Sugar of a sauce that was brushed on, of a glaze's.
    pub sugar: f64,
}

/// How much faster a face browns under the sugar of a glaze: as a layer of it does.
const SWEET: f64 = 0.45;

/// The constants of the surface; one set for all cuts and machines.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct FaceLaw {
    /// Conductivity of the dry layer, W/(m K). Dried meat and crumb: 0.1-0.2 (from memory).
    pub dry_conductivity: f64,
    /// Diffusivity of vapour through the dry layer, m²/s; smaller holds the front hotter and
    /// dries slower. Fitted to common practice: the rows of `trade-facts.csv`, see `docs/model.md`.
    pub dry_diffusivity: f64,
    /// Share of the lost water that juice from below replaces, so that the dry layer grows by
    /// the rest only. Fitted to common practice with the same rows.
    pub replenished: f64,
    /// Share of the water a column of meat can lose before the surface stops evaporating.
    pub available: f64,
    /// Share of its water that heat presses out of meat: proteins shrink between 50 and 80 °C, a tenth
    /// of the weight is gone by 60, a fifth to a quarter by 80 °C (common practice; from memory).
    pub pressed: f64,
    /// Share of its fat that runs off near boiling (common practice: a slab of belly leaves a tenth to a
    /// sixth of its weight in the drawer; from memory).
    pub rendered: f64,
    /// Activation energy of browning, J/mol. Browning of meat and crust doubles to trebles per 10 K
    /// near 120-150 °C: 85 to 150 kJ/mol (handbooks and common practice, from memory). Fitted to common
    /// practice with the rows of `colour-facts.csv`, which want a little less.
    pub browning_energy: f64,
}

/// Temperature at which browning counts minute by minute, °C.
const BROWNING_REFERENCE: f64 = 140.0;
/// The same for sugar that chars, °C, and its activation energy, J/mol (sucrose caramelises within minutes
/// from 160-170 °C on; from memory).
const CHARRING_REFERENCE: f64 = 165.0;
const CHARRING_ENERGY: f64 = 200e3;
/// Gas constant, J/(mol K).
const GAS: f64 = 8.314;
/// Nothing browns below this, °C: too slow to be seen.
const BROWNING_FROM: f64 = 90.0;
/// Heat of evaporation near boiling over the gas constant of vapour, K: how the saturation pressure goes on
/// above boiling (Clausius and Clapeyron).
const ABOVE_BOILING: f64 = 2.2e6 / VAPOUR_GAS_CONSTANT;

impl FaceLaw {
    /// The constants plans use.
    pub const MEAT: Self = Self {
        dry_conductivity: 0.16,
        dry_diffusivity: 1.5e-6,
        replenished: 0.5,
        available: 0.85,
        pressed: 0.35,
        rendered: 0.4,
        browning_energy: 78e3,
    };

    /// Of meat that was cooked before: heat has pressed out of it what it presses out.
    pub const COOKED: Self = Self {
        pressed: 0.0,
        rendered: 0.0,
        ..Self::MEAT
    };

    /// Browning in a minute at a surface temperature where nothing is wet: one at the reference.
    fn browning_rate(&self, surface: f64, of: SurfaceStart) -> f64 {
        let kelvin = surface + ZERO_CELSIUS_IN_KELVIN;
        let faster = |energy: f64, reference: f64| {
            (energy / GAS * (1.0 / (reference + ZERO_CELSIUS_IN_KELVIN) - 1.0 / kelvin)).exp()
        };
        let charring = if of.sugar > 0.0 {
            of.sugar * faster(CHARRING_ENERGY, CHARRING_REFERENCE)
        } else {
            0.0
        };
        of.browning_rate * faster(self.browning_energy, BROWNING_REFERENCE) + charring
    }
}

/// What the face does to the cell behind it over a step, linear in the cell's temperature.
#[derive(Debug, Clone, Copy, Default)]
pub(super) struct Drive {
    /// Heat going into the cell at its temperature of before, W/m².
    pub flux: f64,
    /// How much less for a cell one kelvin warmer, W/(m² K), at least 0.
    pub conductance: f64,
    /// How far the front follows a change of the cell, 0..1.
    pub follow: f64,
    /// How far the surface follows the front, 0..1.
    pub surface_follow: f64,
    /// Heat from outside, W/m².
    pub inflow: f64,
    /// How much less for a front one kelvin warmer, W/(m² K).
    pub outer: f64,
    /// How much faster a front one kelvin warmer evaporates, kg/(m² s K).
    pub quicker: f64,
    /// For how long of the step that counts, s.
    pub counts: f64,
}

/// A step of backward differences of second order: its length, s, and its ratio to the step before.
#[derive(Debug, Clone, Copy)]
pub(super) struct Stride {
    /// Length, s.
    pub dt: f64,
    /// Over the step before; nought where the surroundings are new, which makes it of first order.
    pub ratio: f64,
}

impl Stride {
    /// Factor of the change in this step.
    pub fn lead(self) -> f64 {
        (1.0 + 2.0 * self.ratio) / (1.0 + self.ratio)
    }

    /// Factor of the change in the step before.
    pub fn memory(self) -> f64 {
        self.ratio * self.ratio / (1.0 + self.ratio)
    }

    /// The amount in this step, from the rate at its end and the amount in the step before.
    pub fn sum(self, rate: f64, before: f64) -> f64 {
        (rate * self.dt + self.memory() * before) / self.lead()
    }
}

/// The meat behind a patch.
#[derive(Debug, Clone, Copy)]
pub(super) struct Behind {
    /// Temperature of the cell, °C.
    pub cell: f64,
    /// Conductance from the patch to the middle of the cell, W/(m² K).
    pub conductance: f64,
    /// Water that the column behind the patch can lose, kg/m².
    pub stock: f64,
    /// Water in a cubic metre, kg/m³.
    pub content: f64,
    /// How much warmer the front is expected than in the step before, K: where the search for it begins.
    pub drift: f64,
}

/// Everything about the patch that does not change within the Newton iteration.
struct Balance {
    outer: f64,
    outside: f64,
    inner: f64,
    cell: f64,
    /// Mass transfer coefficient with the dry layer in series, m/s; nought for a dry body.
    transfer: f64,
    vapour: f64,
    pressure: f64,
}

const STEFAN_BOLTZMANN: f64 = 5.670_374e-8;
/// Nearer to boiling than this, as a share of the pressure, evaporation is as fast as it is computed.
const AT_BOILING: f64 = 3.5e-6;
/// Lewis number of water vapour in air to the power 2/3 (Chilton-Colburn analogy; from memory).
const LEWIS_TWO_THIRDS: f64 = 0.90;
/// Lower end of the bracket for the temperature of the front, °C.
const COLDEST: f64 = -40.0;

impl Balance {
    /// Evaporation from the front, kg/(m² s), and its slope; Stefan flow, so that it grows without
    /// bound towards boiling.
    fn evaporation(&self, front: f64) -> (f64, f64) {
        if self.transfer <= 0.0 {
            return (0.0, 0.0);
        }
        let [wet, wet_slope] = saturation(front);
        let pressure = self.pressure;
        let dry = 1.0 / (pressure - wet).max(pressure * 1e-9);
        let scale =
            self.transfer * pressure / (VAPOUR_GAS_CONSTANT * (front + ZERO_CELSIUS_IN_KELVIN));
        let rate = scale * ((pressure - self.vapour) * dry).ln();
        // Only a front without water is hotter than boiling; there the rate is constant.
        let slope = if wet < pressure * (1.0 - AT_BOILING) {
            scale * wet_slope * dry
        } else {
            0.0
        };
        (rate, slope)
    }

    /// Solves the balance at the front by Newton's method kept inside a shrinking bracket, from
    /// the front of the step before.
    fn solve(&self, guess: f64) -> Solved {
        /// A last move this small leaves an error of its square, K.
        const ENOUGH: f64 = 0.1;
        let top = self.outside.max(self.cell) + 1e-9;
        let mut high = top;
        let mut low = COLDEST;
        let mut at = guess.min(high).max(low);
        let mut solved = Solved::default();
        for _ in 0..60 {
            let (rate, slope) = self.evaporation(at);
            let latent = latent_heat(at);
            let left =
                self.outer * (self.outside - at) - latent * rate - self.inner * (at - self.cell);
            if left > 0.0 {
                low = at;
            } else {
                high = at;
            }
            let stiffness = self.outer + latent * slope;
            let newton = at + left / (stiffness + self.inner);
            let inside = newton > low && newton < high;
            let next = if inside {
                newton
            } else {
                f64::midpoint(low, high)
            };
            // The rate moves with the front, so that the balance closes to second order.
            solved = Solved {
                front: next,
                rate: rate + slope * (next - at),
                slope,
                stiffness,
            };
            if (next - at).abs() < ENOUGH && (inside || high - low < ENOUGH) {
                break;
            }
            at = next;
        }
        solved
    }
}

/// The balance at the front.
#[derive(Debug, Clone, Copy, Default)]
struct Solved {
    front: f64,
    /// Evaporation, kg/(m² s).
    rate: f64,
    /// How much more for a front one kelvin warmer.
    slope: f64,
    /// How much less heat the outside gives to a warmer front, W/(m² K).
    stiffness: f64,
}

impl Face {
    /// A face as the piece goes in.
    #[must_use]
    pub fn new(celsius: f64, film: f64, dry_layer: f64) -> Self {
        Self {
            front: celsius,
            surface: celsius,
            dry_layer,
            film,
            lost: 0.0,
            leaving: 0.0,
            browning: 0.0,
            sugar: 0.0,
        }
    }

    /// Solves the balance at the front and lets the surface dry and brown for `dt` seconds.
    ///
    /// Returns what drives the cell behind and the water that left (kg/m²).
    pub(super) fn advance(
        &mut self,
        law: &FaceLaw,
        around: &Surroundings,
        behind: Behind,
        colouring: Option<SurfaceStart>,
        stride: Stride,
    ) -> (Drive, f64) {
        let (cell, inner) = (behind.cell, behind.conductance);
        let layer = if self.film > 0.0 { 0.0 } else { self.dry_layer };
        let radiation = radiative_coefficient(around, self.surface);
        let total = (around.convection + radiation).max(1e-9);
        let outside = (around.convection * around.air + radiation * around.radiant) / total;
        let through = layer / law.dry_conductivity;
        let balance = Balance {
            outer: total / (1.0 + total * through),
            outside,
            inner,
            cell,
            transfer: around.open
                * transfer(law, around, self.front, layer)
                * fade(self.lost, behind.stock),
            vapour: around.vapour,
            pressure: around.pressure,
        };
        let solved = balance.solve(self.front + behind.drift);
        self.front = solved.front;
        let flux = balance.outer * (outside - self.front);
        self.surface = self.front + flux * through;

        // Added up as the heat of the cells is, so that both are in the same balance.
        let leaving = stride.sum(solved.rate, self.leaving);
        self.leaving = leaving;
        self.dry(law, leaving, behind.content);
        if let Some(colouring) = colouring
            && self.film <= 0.0
            && self.surface > BROWNING_FROM
        {
            let dry = 1.0 - self.activity(around, solved.rate);
            let colouring = SurfaceStart {
                sugar: colouring.sugar.max(self.sugar),
                browning_rate: colouring.browning_rate * (1.0 + SWEET * self.sugar),
                ..colouring
            };
            self.browning += dry * law.browning_rate(self.surface, colouring) * stride.dt / 60.0;
        }

        // The front follows the cell: d(front)/d(cell) by implicit differentiation.
        let follow = inner / (solved.stiffness + inner);
        // From the outer side of the front: on the inner side it would be a small difference of
        // large numbers where little stands between front and cell.
        let drive = Drive {
            flux: flux - latent_heat(self.front) * solved.rate,
            conductance: solved.stiffness * follow,
            follow,
            surface_follow: 1.0 - balance.outer * through,
            inflow: flux,
            outer: balance.outer,
            quicker: solved.slope,
            counts: stride.sum(1.0, 0.0),
        };
        (drive, leaving)
    }

    /// Water activity of the outermost surface: the pressure of the vapour there over that of water at its
    /// temperature. Vapour leaves through the air beside it as through all of the way.
    fn activity(&self, around: &Surroundings, rate: f64) -> f64 {
        let film = f64::midpoint(around.air, self.surface) + ZERO_CELSIUS_IN_KELVIN;
        let boundary = boundary_transfer(around, film) * around.open;
        let flow = rate.max(0.0) * VAPOUR_GAS_CONSTANT * film;
        let pressure = around.pressure;
        let vapour =
            pressure - (pressure - around.vapour) * (-flow / (pressure * boundary).max(1e-9)).exp();
        let boiling = 100.0 + ZERO_CELSIUS_IN_KELVIN;
        let kelvin = self.surface + ZERO_CELSIUS_IN_KELVIN;
        let saturated = PRESSURE * (ABOVE_BOILING * (1.0 / boiling - 1.0 / kelvin)).exp();
        (vapour / saturated).clamp(0.0, 1.0)
    }

    /// Moves front and surface with the cell behind, once its new temperature is known.
    pub(super) fn settle(&mut self, drive: &Drive, cell_rise: f64) {
        let rise = drive.follow * cell_rise;
        self.front += rise;
        self.surface += rise * drive.surface_follow;
    }

    /// What passes when the cell behind ends the step that much above what was expected: heat from
    /// outside, W/m², and water on top of what [`Self::advance`] said, kg/m².
    pub(super) fn account(&mut self, drive: &Drive, cell_rise: f64) -> (f64, f64) {
        let rise = drive.follow * cell_rise;
        let more = drive.quicker * rise * drive.counts;
        self.leaving += more;
        self.lost += more;
        (drive.inflow - drive.outer * rise, more)
    }

    fn dry(&mut self, law: &FaceLaw, leaving: f64, content: f64) {
        self.lost += leaving;
        let from_film = leaving.min(self.film);
        self.film -= from_film;
        if leaving < 0.0 {
            // Condensation wets the surface again.
            self.film -= leaving - from_film;
        } else if content > 0.0 {
            self.dry_layer += (leaving - from_film) * (1.0 - law.replenished) / content;
        }
    }
}

fn radiative_coefficient(around: &Surroundings, surface: f64) -> f64 {
    let a = around.radiant + ZERO_CELSIUS_IN_KELVIN;
    let b = surface + ZERO_CELSIUS_IN_KELVIN;
    around.emissivity * STEFAN_BOLTZMANN * (a * a + b * b) * (a + b)
}

/// Chilton-Colburn analogy: what the air beside the surface lets through at the temperature of the film,
/// K; m/s.
fn boundary_transfer(around: &Surroundings, film: f64) -> f64 {
    let thinner = PRESSURE / around.pressure;
    around.convection * film * thinner * (1.0 / (PRESSURE * AIR_HEAT * LEWIS_TWO_THIRDS))
}

/// The same with the dry layer in series.
fn transfer(law: &FaceLaw, around: &Surroundings, front: f64, layer: f64) -> f64 {
    let film = f64::midpoint(around.air, front) + ZERO_CELSIUS_IN_KELVIN;
    let boundary = boundary_transfer(around, film);
    // Vapour diffuses faster through thinner air.
    let thinner = PRESSURE / around.pressure;
    boundary / (1.0 + boundary * layer * (1.0 / (law.dry_diffusivity * thinner)))
}

/// One while there is water to give, falling to nought over the last tenth.
fn fade(lost: f64, stock: f64) -> f64 {
    if stock <= 0.0 {
        return 0.0;
    }
    ((stock - lost) / (0.1 * stock)).clamp(0.0, 1.0)
}
