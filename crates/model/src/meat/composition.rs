//! Thermal properties of food from its composition.
//!
//! Component equations after Choi and Okos as printed in the ASHRAE Handbook - Refrigeration,
//! "Thermal properties of foods" (from memory, see `docs/model.md`). Mixing: conductivity by
//! volume fractions in parallel, density by volumes, heat capacity by masses.

use crate::units::{Conductivity, Density, SpecificHeat, Temperature};

/// Mass fractions of raw meat. The remainder counts as ash and bone mineral.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Composition {
    /// Water, kg/kg.
    pub water: f64,
    /// Protein, kg/kg.
    pub protein: f64,
    /// Fat, kg/kg.
    pub fat: f64,
}

/// Bone with its marrow and collagen: water 0.30, protein 0.20, fat 0.15, the rest mineral
/// (common practice for fresh animal bone, from memory).
const BONE: Composition = Composition::new(0.30, 0.20, 0.15);

impl Composition {
    /// From mass fractions.
    #[must_use]
    pub const fn new(water: f64, protein: f64, fat: f64) -> Self {
        Self {
            water,
            protein,
            fat,
        }
    }

    /// The piece as it lies on the scale, `bone` of whose mass is bone.
    ///
    /// ```
    /// use ember_model::meat::Composition;
    /// let wing = Composition::new(0.66, 0.18, 0.16).with_bone(0.3);
    /// assert!(wing.water < 0.66 && wing.water > 0.5);
    /// ```
    #[must_use]
    pub fn with_bone(self, bone: f64) -> Self {
        let mix = |flesh: f64, bone_part: f64| flesh * (1.0 - bone) + bone_part * bone;
        Self::new(
            mix(self.water, BONE.water),
            mix(self.protein, BONE.protein),
            mix(self.fat, BONE.fat),
        )
    }

    fn parts(self, celsius: f64) -> [(f64, [f64; 3]); 5] {
        let ash = (1.0 - self.water - self.protein - self.fat).max(0.0);
        let ice = self.ice(celsius);
        // Water that is not ice stays what it is a little above freezing.
        [
            (self.water - ice, component(&WATER, celsius.max(0.0))),
            (ice, component(&ICE, celsius)),
            (self.protein, component(&PROTEIN, celsius)),
            (self.fat, component(&FAT, celsius)),
            (ash, component(&ASH, celsius)),
        ]
    }

    /// Ice at a temperature, kg/kg: all water except the part that protein binds (0.4 kg/kg) freezes gradually, as
    /// the freezing point of the remaining water falls (ASHRAE Handbook - Refrigeration, from memory).
    ///
    /// ```
    /// use ember_model::meat::Composition;
    /// let beef = Composition::new(0.717, 0.213, 0.06);
    /// assert_eq!(beef.ice(0.0), 0.0);
    /// // Nine tenths of what can freeze is ice at -17 °C.
    /// assert!((beef.ice(-17.0) / (0.717 - 0.4 * 0.213) - 0.9).abs() < 0.001);
    /// ```
    #[must_use]
    pub fn ice(self, celsius: f64) -> f64 {
        if celsius >= FREEZES {
            return 0.0;
        }
        (self.water - BOUND * self.protein).max(0.0) * (1.0 - FREEZES / celsius)
    }

    /// Heat capacity without what freezes or melts, J/(kg K).
    fn capacity(self, celsius: f64) -> f64 {
        let mut total = 0.0;
        let mut heat = 0.0;
        for (mass, [_, _, cp]) in self.parts(celsius) {
            total += mass;
            heat += mass * cp;
        }
        heat / total
    }

    /// Conductivity at a temperature.
    ///
    /// ```
    /// use ember_model::{meat::Composition, units::Temperature};
    /// let loin = Composition::new(0.71, 0.21, 0.07);
    /// let k = loin.conductivity(Temperature::from_celsius(20.0)).watts_per_metre_kelvin();
    /// assert!(k > 0.42 && k < 0.55); // lean pork, handbook range 0.44-0.54 (from memory)
    /// ```
    #[must_use]
    pub fn conductivity(self, at: Temperature) -> Conductivity {
        let mut volume = 0.0;
        let mut conductance = 0.0;
        for (mass, [k, rho, _]) in self.parts(at.celsius()) {
            volume += mass / rho;
            conductance += mass / rho * k;
        }
        Conductivity::from_watts_per_metre_kelvin(conductance / volume)
    }

    /// Density at a temperature.
    #[must_use]
    pub fn density(self, at: Temperature) -> Density {
        let mut volume = 0.0;
        let mut total = 0.0;
        for (mass, [_, rho, _]) in self.parts(at.celsius()) {
            volume += mass / rho;
            total += mass;
        }
        Density::from_kilograms_per_cubic_metre(total / volume)
    }

    /// Specific heat capacity at a temperature; where it freezes, without what its ice gives off.
    #[must_use]
    pub fn specific_heat(self, at: Temperature) -> SpecificHeat {
        SpecificHeat::from_joules_per_kilogram_kelvin(self.capacity(at.celsius()))
    }
}

/// Where meat begins to freeze, °C: beef and pork -1.7, poultry down to -2.8 (ASHRAE Handbook -
/// Refrigeration, from memory).
pub const FREEZES: f64 = -1.7;
/// Water that a kilogram of protein binds, so that it does not freeze, kg (the same).
const BOUND: f64 = 0.4;
/// Heat of fusion of ice, J/kg (steam tables, from memory).
pub const FUSION: f64 = 333.6e3;

/// Coefficients of conductivity, density and heat capacity in powers of the temperature in °C.
type Component = [[f64; 3]; 3];

const WATER: Component = [
    [0.57109, 1.7625e-3, -6.7036e-6],
    [997.18, 3.1439e-3, -3.7574e-3],
    [4128.9, -9.0864e-2, 5.4731e-3],
];
const ICE: Component = [
    [2.2196, -6.2489e-3, 1.0154e-4],
    [916.89, -0.13071, 0.0],
    [2062.3, 6.0769, 0.0],
];
const PROTEIN: Component = [
    [0.17881, 1.1958e-3, -2.7178e-6],
    [1329.9, -0.5184, 0.0],
    [2008.2, 1.2089, -1.3129e-3],
];
const FAT: Component = [
    [0.18071, -2.7604e-4, -1.7749e-7],
    [925.59, -0.41757, 0.0],
    [1984.2, 1.4733, -4.8008e-3],
];
const ASH: Component = [
    [0.32962, 1.4011e-3, -2.9069e-6],
    [2423.8, -0.28063, 0.0],
    [1092.6, 1.8896, -3.6817e-3],
];

fn component(of: &Component, celsius: f64) -> [f64; 3] {
    of.map(|[a, b, c]| a + celsius * (b + celsius * c))
}

/// From the coldest freezer to the range in which the component equations were fitted, °C. Only a
/// crust is hotter; it has the values at the end.
const COLDEST: f64 = -40.0;
const HOTTEST: f64 = 150.0;
/// Entries of the table by heat: about a tenth of a kelvin each where nothing freezes.
const ENTRIES: usize = 2048;
/// Heat of fusion of the part of animal fat that is solid in the fridge, J/kg (a third of lard at 190 kJ/kg
/// from memory).
const FAT_FUSION: f64 = 60e3;
/// Heat capacity of fat, J/(kg K) (the component equation near 20 °C).
const FAT_HEAT_CAPACITY: f64 = 2010.0;
/// Heat capacity of water near room temperature, J/(kg K) (steam tables, from memory).
const WATER_HEAT_CAPACITY: f64 = 4180.0;
/// Density is held at this temperature so that a cell keeps its mass.
pub const DENSITY_AT: Temperature = Temperature::from_celsius(20.0);

/// Share of the fat that is liquid: lard and tallow melt by and by between the fridge and 48 °C (common
/// practice).
fn liquid_fat(celsius: f64) -> f64 {
    let part = ((celsius - 4.0) / 44.0).clamp(0.0, 1.0);
    // Most of it in the middle.
    part * part * (3.0 - 2.0 * part)
}

/// A composition made ready for the solver: tabulated by its heat, so that what freezes or thaws at almost
/// one temperature is as good as anything else.
#[derive(Debug, Clone)]
pub struct Material {
    /// Temperature, °C, and conductivity, W/(m K), at even steps of heat.
    table: Vec<[f64; 2]>,
    /// Heat of the first entry, J/m³, and one over the step between two.
    least: f64,
    per_heat: f64,
    /// kg of water in a cubic metre of the raw piece.
    water: f64,
    /// Share of the heat capacity that is the water's.
    water_share: f64,
    /// kg of fat in a cubic metre of the raw piece, and its share of the heat capacity.
    fat: f64,
    fat_share: f64,
    density: f64,
}

/// The state of a material at a heat.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct State {
    /// Temperature, °C.
    pub celsius: f64,
    /// Conductivity, W/(m K).
    pub conductivity: f64,
    /// Heat that a cubic metre takes for one kelvin, J/(m³ K).
    pub capacity: f64,
}

impl Material {
    /// Tabulates a composition.
    #[must_use]
    pub fn of(composition: Composition) -> Self {
        /// Of the curve that is read backwards, K: where it freezes, and above.
        const STEP: [f64; 2] = [0.05, 1.0];
        let density = composition.density(DENSITY_AT).kilograms_per_cubic_metre();
        let marks = |from: f64, to: f64, step: f64| {
            let count = ((to - from) / step).round() as usize;
            (0..count).map(move |n| [n, n + 1].map(|n| from + n as f64 * step))
        };
        let steps = marks(COLDEST, 0.0, STEP[0]).chain(marks(0.0, HOTTEST, STEP[1]));
        let heat_capacity = composition
            .specific_heat(DENSITY_AT)
            .joules_per_kilogram_kelvin();
        let mut heat = 0.0;
        let mut curve = vec![[heat, COLDEST]];
        for [from, to] in steps {
            let melted = composition.ice(from) - composition.ice(to);
            let sensible = composition.capacity(f64::midpoint(from, to)) * (to - from);
            let fat = composition.fat * (liquid_fat(to) - liquid_fat(from));
            heat += density * (sensible + FUSION * melted + FAT_FUSION * fat);
            curve.push([heat, to]);
        }
        let at_zero = curve.iter().find(|[_, celsius]| *celsius > -0.5 * STEP[0]);
        let at_zero = at_zero.map_or(0.0, |[heat, _]| *heat);
        for [heat, _] in &mut curve {
            *heat -= at_zero;
        }
        let conductivity = |celsius: f64| {
            let at = Temperature::from_celsius(celsius);
            composition.conductivity(at).watts_per_metre_kelvin()
        };
        Self {
            water: composition.water * density,
            water_share: composition.water * WATER_HEAT_CAPACITY / heat_capacity,
            fat: composition.fat * density,
            fat_share: composition.fat * FAT_HEAT_CAPACITY / heat_capacity,
            density,
            ..Self::tabulated(&curve, conductivity)
        }
    }

    /// A dry body of constant properties, for comparison with exact solutions.
    ///
    /// ```
    /// use ember_model::meat::Material;
    /// use ember_model::units::*;
    /// let egg = Material::constant(
    ///     Conductivity::from_watts_per_metre_kelvin(0.627),
    ///     Density::from_kilograms_per_cubic_metre(1000.0),
    ///     SpecificHeat::from_joules_per_kilogram_kelvin(4152.0),
    /// );
    /// assert_eq!(egg.at(70.0)[0], 0.627);
    /// assert_eq!(egg.water_content(), 0.0);
    /// ```
    #[must_use]
    pub fn constant(k: Conductivity, rho: Density, cp: SpecificHeat) -> Self {
        let density = rho.kilograms_per_cubic_metre();
        let capacity = density * cp.joules_per_kilogram_kelvin();
        let curve = [COLDEST, HOTTEST].map(|celsius| [capacity * celsius, celsius]);
        Self {
            density,
            ..Self::tabulated(&curve, |_| k.watts_per_metre_kelvin())
        }
    }

    /// A body whose heat (J/m³, rising) goes with its temperature (°C) as in the pairs given, straight
    /// between them, for comparison with exact solutions: of water that freezes, for instance.
    #[must_use]
    pub fn of_curve(curve: &[[f64; 2]], conductivity: impl Fn(f64) -> f64) -> Self {
        Self {
            density: 1000.0,
            ..Self::tabulated(curve, conductivity)
        }
    }

    #[allow(
        clippy::indexing_slicing,
        reason = "the curve has two points at least, and the walk along it stops before the last"
    )]
    fn tabulated(curve: &[[f64; 2]], conductivity: impl Fn(f64) -> f64) -> Self {
        let (least, most) = (curve[0][0], curve[curve.len() - 1][0]);
        let step = (most - least) / (ENTRIES - 1) as f64;
        let mut below = 0;
        let table = (0..ENTRIES).map(|n| {
            let heat = least + n as f64 * step;
            while below + 2 < curve.len() && curve[below + 1][0] < heat {
                below += 1;
            }
            let ([h0, t0], [h1, t1]) = (curve[below], curve[below + 1]);
            let celsius = t0 + (heat - h0) / (h1 - h0) * (t1 - t0);
            [celsius, conductivity(celsius)]
        });
        Self {
            table: table.collect(),
            least,
            per_heat: 1.0 / step,
            water: 0.0,
            water_share: 0.0,
            fat: 0.0,
            fat_share: 0.0,
            density: 0.0,
        }
    }

    /// The state of the material with this much heat above 0 °C in a cubic metre of the raw piece, J/m³. Beyond the
    /// table it continues as at its end.
    ///
    /// ```
    /// use ember_model::meat::{Composition, Material};
    /// let loin = Material::of(Composition::new(0.71, 0.21, 0.07));
    /// let hot = loin.state(loin.heat(60.0));
    /// assert!((hot.celsius - 60.0).abs() < 0.01);
    /// // Frozen it conducts three times as well.
    /// let frozen = loin.state(loin.heat(-18.0));
    /// assert!(frozen.conductivity > 2.5 * loin.state(loin.heat(4.0)).conductivity);
    /// ```
    #[must_use]
    #[inline]
    #[allow(
        clippy::indexing_slicing,
        reason = "called for every cell of every step; the index is clamped to the table"
    )]
    pub fn state(&self, heat: f64) -> State {
        let at = (heat - self.least) * self.per_heat;
        let low = (at.max(0.0) as usize).min(ENTRIES - 2);
        let part = at - low as f64;
        let ([t0, k0], [t1, k1]) = (self.table[low], self.table[low + 1]);
        State {
            celsius: t0 + part * (t1 - t0),
            conductivity: k0 + part.clamp(0.0, 1.0) * (k1 - k0),
            capacity: 1.0 / ((t1 - t0) * self.per_heat),
        }
    }

    /// Heat above 0 °C in a cubic metre of the raw piece at a temperature, J/m³.
    ///
    /// ```
    /// use ember_model::meat::{Composition, Material};
    /// let loin = Material::of(Composition::new(0.71, 0.21, 0.07));
    /// let mean = (loin.heat(60.0) - loin.heat(0.0)) / 60.0;
    /// assert!((mean / loin.at(50.0)[1] - 1.0).abs() < 0.02);
    /// // Thawing takes more than warming from the fridge to the table.
    /// assert!(loin.heat(0.0) - loin.heat(-18.0) > loin.heat(60.0) - loin.heat(4.0));
    /// ```
    #[must_use]
    #[allow(clippy::indexing_slicing, reason = "the search stays within the table")]
    pub fn heat(&self, celsius: f64) -> f64 {
        let low = self
            .table
            .partition_point(|[t, _]| *t <= celsius)
            .clamp(1, ENTRIES - 1)
            - 1;
        let ([t0, _], [t1, _]) = (self.table[low], self.table[low + 1]);
        self.least + (low as f64 + (celsius - t0) / (t1 - t0)) / self.per_heat
    }

    /// Conductivity, W/(m K), and volumetric heat capacity, J/(m³ K), at a temperature in °C.
    ///
    /// ```
    /// use ember_model::meat::{Composition, Material};
    /// let loin = Material::of(Composition::new(0.71, 0.21, 0.07));
    /// let [k, heat_capacity] = loin.at(20.0);
    /// assert!((0.45..0.55).contains(&k));
    /// assert!((3.4e6..4.0e6).contains(&heat_capacity));
    /// ```
    #[must_use]
    pub fn at(&self, celsius: f64) -> [f64; 2] {
        let state = self.state(self.heat(celsius));
        [state.conductivity, state.capacity]
    }

    /// Water in the raw piece, kg/m³.
    #[must_use]
    pub fn water_content(&self) -> f64 {
        self.water
    }

    /// Share of the heat capacity that is the water's, 0..1; what dries stores that much less.
    #[must_use]
    pub fn water_share(&self) -> f64 {
        self.water_share
    }

    /// Fat in the raw piece, kg/m³.
    #[must_use]
    pub fn fat_content(&self) -> f64 {
        self.fat
    }

    /// Share of the heat capacity that is the fat's, 0..1.
    #[must_use]
    pub fn fat_share(&self) -> f64 {
        self.fat_share
    }

    /// Density of the raw piece, kg/m³.
    #[must_use]
    pub fn density(&self) -> f64 {
        self.density
    }
}
