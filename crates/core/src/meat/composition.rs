//! Thermal properties of food from its composition.
//!
//! Component equations after Choi and Okos as printed in the ASHRAE Handbook - Refrigeration,
//! "Thermal properties of foods" (from memory, see `docs/model.md`). Mixing: conductivity by
//! volume fractions in parallel, density by volumes, heat capacity by masses.

use crate::units::{Conductivity, Density, SpecificHeat, Temperature};

/// Mass fractions of raw meat. What is missing to one counts as ash and bone mineral.
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
    /// use ember_core::meat::Composition;
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

    fn parts(self, celsius: f64) -> [(f64, [f64; 3]); 4] {
        let ash = (1.0 - self.water - self.protein - self.fat).max(0.0);
        [
            (self.water, component(&WATER, celsius)),
            (self.protein, component(&PROTEIN, celsius)),
            (self.fat, component(&FAT, celsius)),
            (ash, component(&ASH, celsius)),
        ]
    }

    /// Conductivity at a temperature.
    ///
    /// ```
    /// use ember_core::{meat::Composition, units::Temperature};
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

    /// Specific heat capacity at a temperature.
    #[must_use]
    pub fn specific_heat(self, at: Temperature) -> SpecificHeat {
        let mut total = 0.0;
        let mut heat = 0.0;
        for (mass, [_, _, cp]) in self.parts(at.celsius()) {
            total += mass;
            heat += mass * cp;
        }
        SpecificHeat::from_joules_per_kilogram_kelvin(heat / total)
    }
}

/// Coefficients of conductivity, density and heat capacity in powers of the temperature in °C.
type Component = [[f64; 3]; 3];

const WATER: Component = [
    [0.57109, 1.7625e-3, -6.7036e-6],
    [997.18, 3.1439e-3, -3.7574e-3],
    [4128.9, -9.0864e-2, 5.4731e-3],
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

/// The range in which the component equations were fitted reaches 150 °C; hotter cells, which only
/// a crust can be, keep the last value.
const TABLE_TOP: usize = 150;
/// Heat capacity of water near room temperature, J/(kg K) (steam tables, from memory).
const WATER_HEAT_CAPACITY: f64 = 4180.0;
/// Density is held at this temperature so that a cell keeps its mass.
const DENSITY_AT: Temperature = Temperature::from_celsius(20.0);

/// A composition made ready for the solver: properties tabulated by whole degrees.
#[derive(Debug, Clone)]
pub struct Material {
    /// Conductivity, W/(m K), and volumetric heat capacity, J/(m³ K), at 0, 1, ... 150 °C.
    table: Vec<[f64; 2]>,
    /// Heat above 0 °C, J/m³, at the same temperatures.
    heat: Vec<f64>,
    /// kg of water in a cubic metre of the raw piece.
    water: f64,
    /// Share of the heat capacity that is the water's.
    water_share: f64,
    density: f64,
}

impl Material {
    /// Tabulates a composition.
    #[must_use]
    pub fn of(composition: Composition) -> Self {
        let density = composition.density(DENSITY_AT).kilograms_per_cubic_metre();
        let table: Vec<[f64; 2]> = (0..=TABLE_TOP)
            .map(|i| {
                let at = Temperature::from_celsius(i as f64);
                let cp = composition.specific_heat(at);
                [
                    composition.conductivity(at).watts_per_metre_kelvin(),
                    density * cp.joules_per_kilogram_kelvin(),
                ]
            })
            .collect();
        Self {
            heat: running_heat(&table),
            table,
            water: composition.water * density,
            water_share: composition.water * WATER_HEAT_CAPACITY
                / composition
                    .specific_heat(DENSITY_AT)
                    .joules_per_kilogram_kelvin(),
            density,
        }
    }

    /// A dry body of constant properties, for comparison with exact solutions.
    ///
    /// ```
    /// use ember_core::meat::Material;
    /// use ember_core::units::*;
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
        let row = [
            k.watts_per_metre_kelvin(),
            density * cp.joules_per_kilogram_kelvin(),
        ];
        let table = vec![row; TABLE_TOP + 1];
        Self {
            heat: running_heat(&table),
            table,
            water: 0.0,
            water_share: 0.0,
            density,
        }
    }

    /// Conductivity, W/(m K), and volumetric heat capacity, J/(m³ K), at a temperature in °C,
    /// linear between whole degrees.
    ///
    /// ```
    /// use ember_core::meat::{Composition, Material};
    /// let loin = Material::of(Composition::new(0.71, 0.21, 0.07));
    /// let [k, heat_capacity] = loin.at(20.0);
    /// assert!((0.45..0.55).contains(&k));
    /// assert!((3.4e6..4.0e6).contains(&heat_capacity));
    /// ```
    #[must_use]
    #[inline]
    #[allow(
        clippy::indexing_slicing,
        reason = "called for every cell of every step; the index is clamped to the table"
    )]
    pub fn at(&self, celsius: f64) -> [f64; 2] {
        let at = celsius.clamp(0.0, TABLE_TOP as f64 - 1e-9);
        let low = at as usize;
        let part = at - low as f64;
        let ([k0, c0], [k1, c1]) = (self.table[low], self.table[low + 1]);
        [k0 + part * (k1 - k0), c0 + part * (c1 - c0)]
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

    /// Density of the raw piece, kg/m³.
    #[must_use]
    pub fn density(&self) -> f64 {
        self.density
    }

    /// Heat above 0 °C in a cubic metre of the raw piece, J/m³: the integral of the heat capacity
    /// as [`Self::at`] gives it.
    ///
    /// ```
    /// use ember_core::meat::{Composition, Material};
    /// let loin = Material::of(Composition::new(0.71, 0.21, 0.07));
    /// let mean = loin.heat_above_zero(60.0) / 60.0;
    /// assert!((mean / loin.at(30.0)[1] - 1.0).abs() < 0.01);
    /// ```
    #[must_use]
    #[allow(
        clippy::indexing_slicing,
        reason = "called for every cell of every step; the index is clamped to the table"
    )]
    pub fn heat_above_zero(&self, celsius: f64) -> f64 {
        let low = celsius.clamp(0.0, TABLE_TOP as f64 - 1e-9) as usize;
        let part = celsius - low as f64;
        let ([_, c0], [_, c1]) = (self.table[low], self.table[low + 1]);
        let slope = if part > 1.0 { 0.0 } else { c1 - c0 };
        self.heat[low] + part * (c0 + 0.5 * part * slope)
    }
}

fn running_heat(table: &[[f64; 2]]) -> Vec<f64> {
    let mut heat = 0.0;
    let mut out = vec![0.0];
    for (below, above) in table.iter().zip(table.iter().skip(1)) {
        let ([_, c0], [_, c1]) = (below, above);
        heat += f64::midpoint(*c0, *c1);
        out.push(heat);
    }
    out
}
