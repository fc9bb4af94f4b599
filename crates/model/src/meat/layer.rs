//! Layers on a piece of meat, and what each makes of its surface.

use super::Browning;

/// One thing that is done to a surface or put on it.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Layer {
    /// Blotted with a towel.
    PattedDry,
    /// Left uncovered in the fridge for hours.
    FridgeDried,
    /// Rubbed with oil.
    Oil,
    /// A dry rub.
    Rub,
    /// Baking powder with salt.
    BakingPowder,
    /// A dusting of starch.
    Starch,
    /// A dusting of flour.
    Flour,
    /// Drawn through beaten egg.
    Egg,
    /// Crumb, pressed on.
    Crumb,
    /// Tossed in butter sauce.
    ButterSauce,
    /// As it comes from a marinade.
    WetMarinade,
    /// A spray of oil.
    Spray,
    /// Brushed with something sweet.
    Glaze,
}

/// The effect of a layer where it stays on.
struct Effect {
    /// Water it brings, kg/m².
    wets: f64,
    /// Share of the water below that it leaves there.
    leaves: f64,
    /// Its dry thickness, mm, of what conducts as dried meat does.
    dry: f64,
    /// How much faster it browns.
    faster: f64,
    /// Its sugar, of a glaze's.
    sugar: f64,
}

impl Layer {
    /// Every layer, in the order in which they go on.
    pub const ALL: [Self; 13] = [
        Self::WetMarinade,
        Self::PattedDry,
        Self::FridgeDried,
        Self::Oil,
        Self::Rub,
        Self::BakingPowder,
        Self::Starch,
        Self::Flour,
        Self::Egg,
        Self::Crumb,
        Self::Spray,
        Self::ButterSauce,
        Self::Glaze,
    ];

    /// The words for it in a list of layers.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::PattedDry => "patted dry",
            Self::FridgeDried => "dried in the fridge",
            Self::Oil => "oil",
            Self::Rub => "rub",
            Self::BakingPowder => "baking powder",
            Self::Starch => "starch",
            Self::Flour => "flour",
            Self::Egg => "egg",
            Self::Crumb => "crumb",
            Self::ButterSauce => "butter sauce",
            Self::WetMarinade => "wet marinade",
            Self::Spray => "oil spray",
            Self::Glaze => "glaze",
        }
    }

    /// Whether it takes water away and puts nothing on.
    #[must_use]
    pub const fn dries(self) -> bool {
        matches!(self, Self::PattedDry | Self::FridgeDried)
    }

    /// Whether what is dry beside it sticks to it.
    #[must_use]
    pub const fn holds(self) -> bool {
        matches!(
            self,
            Self::Oil
                | Self::Egg
                | Self::ButterSauce
                | Self::WetMarinade
                | Self::Spray
                | Self::Glaze
        )
    }

    /// Share of it that the fan and the turning take off where nothing holds it (common practice: half of a
    /// crumb without egg, a third of a dusting without oil, which stays white).
    #[must_use]
    pub const fn falls_off(self) -> f64 {
        match self {
            Self::Crumb => 0.5,
            Self::Starch | Self::Flour => 0.3,
            _ => 0.0,
        }
    }

    /// What it brings that some may not eat; a rub's own allergens are on its label.
    #[must_use]
    pub const fn allergen(self) -> Option<&'static str> {
        match self {
            Self::Flour | Self::Crumb => Some("wheat"),
            Self::Egg => Some("egg"),
            Self::ButterSauce => Some("milk"),
            Self::BakingPowder => Some("what the powder's starch is made of, at times wheat"),
            Self::Glaze => Some("what the glaze's label names, often mustard or soy"),
            Self::WetMarinade => Some("what the marinade's label names, often soy or mustard"),
            _ => None,
        }
    }

    const fn effect(self) -> Effect {
        let (wets, leaves, dry, faster, sugar) = match self {
            Self::PattedDry => (0.0, 0.2, 0.0, 1.0, 0.0),
            Self::FridgeDried => (0.0, 0.0, 0.25, 0.9, 0.0),
            Self::Oil => (0.0, 1.0, 0.0, 1.1, 0.0),
            Self::Rub => (0.0, 1.0, 0.05, 1.0, 0.0),
            Self::BakingPowder => (0.0, 0.5, 0.10, 1.5, 0.0),
            Self::Starch => (0.0, 0.6, 0.15, 0.85, 0.0),
            Self::Flour => (0.0, 0.6, 0.20, 0.85, 0.0),
            Self::Egg => (0.05, 1.0, 0.0, 1.2, 0.0),
            // It soaks up what is wet below it; full of oil it conducts like dried meat.
            Self::Crumb => (0.0, 0.0, 1.0, 1.3, 0.0),
            Self::ButterSauce => (0.05, 1.0, 0.0, 1.2, 0.0),
            Self::WetMarinade => (0.10, 1.0, 0.0, 1.1, 0.1),
            Self::Spray => (0.0, 1.0, 0.0, 1.05, 0.0),
            Self::Glaze => (0.05, 1.0, 0.0, 1.45, 1.0),
        };
        Effect {
            wets,
            leaves,
            dry,
            faster,
            sugar,
        }
    }
}

/// What layers make of a surface, for the heat model.
///
/// All are common practice in kind and from memory in size: a wet face carries a tenth of a
/// millimetre of water, a towel leaves a fifth of that, a night in the fridge leaves a leathery
/// layer some tenths of a millimetre deep, a crumb coat is a millimetre of bread that is dry
/// already. How much faster a layer browns is fitted to common practice with the rows of
/// `colour-facts.csv`, see `docs/model.md`.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SurfaceStart {
    /// Free water on the surface, kg/m², that must leave before the surface dries.
    pub film: f64,
    /// Thickness of the layer that is dry from the start, m.
    pub dry_layer: f64,
    /// How much faster than bare skin the surface browns.
    pub browning_rate: f64,
    /// Sugar that chars: 0 without, 1 for a glaze.
    pub sugar: f64,
    /// Browning it has already, in minutes' worth.
    pub browned: f64,
}

impl SurfaceStart {
    /// As it comes out of its package: wet.
    pub const RAW: Self = Self {
        film: 0.10,
        dry_layer: 0.0,
        browning_rate: 1.0,
        sugar: 0.0,
        browned: 0.0,
    };

    /// A dry body, for comparison with exact solutions.
    pub const BARE: Self = Self {
        film: 0.0,
        ..Self::RAW
    };

    /// Of meat that was cooked before and chilled: its crust is there, golden, and has drawn moisture from the
    /// inside and from the fridge (common practice; its thickness from memory).
    ///
    /// ```
    /// use ember_model::meat::{Browning, SurfaceStart};
    /// let left = SurfaceStart::RAW.cooked_before();
    /// assert_eq!(Browning::of(left.browned), Browning::Golden);
    /// assert!(left.film < SurfaceStart::RAW.film);
    /// ```
    #[must_use]
    pub fn cooked_before(self) -> Self {
        Self {
            film: self.film.min(0.03),
            dry_layer: self.dry_layer.max(0.3e-3),
            browned: Browning::Golden.least(),
            ..self
        }
    }

    /// With one more layer on it, and the share of that layer that stays on, 0..1.
    ///
    /// ```
    /// use ember_model::meat::{Layer, SurfaceStart};
    /// let dusted = SurfaceStart::RAW.with(Layer::PattedDry, 1.0).with(Layer::Flour, 1.0);
    /// assert!(dusted.film < SurfaceStart::RAW.film && dusted.dry_layer > 0.0);
    /// // Flour browns more slowly than skin, a glaze much faster.
    /// assert!(dusted.browning_rate < 1.0);
    /// assert!(SurfaceStart::RAW.with(Layer::Glaze, 1.0).browning_rate > 1.3);
    /// // Half a crumb is half as thick.
    /// assert_eq!(SurfaceStart::RAW.with(Layer::Crumb, 0.5).dry_layer, 0.5e-3);
    /// ```
    #[must_use]
    pub fn with(self, layer: Layer, stays: f64) -> Self {
        let effect = layer.effect();
        let leaves = 1.0 - stays * (1.0 - effect.leaves);
        Self {
            film: self.film * leaves + stays * effect.wets,
            dry_layer: self.dry_layer + stays * effect.dry * 1e-3,
            browning_rate: self.browning_rate * (1.0 + stays * (effect.faster - 1.0)),
            sugar: self.sugar.max(stays * effect.sugar),
            ..self
        }
    }

    /// The same under a glaze of another sugar, as a multiple of a usual one's.
    ///
    /// ```
    /// use ember_model::meat::{Layer, SurfaceStart};
    /// let glazed = SurfaceStart::RAW.with(Layer::Glaze, 1.0);
    /// assert!((glazed.sweetened(1.0).browning_rate - glazed.browning_rate).abs() < 1e-9);
    /// assert!(glazed.sweetened(0.3).browning_rate < glazed.browning_rate);
    /// ```
    #[must_use]
    pub fn sweetened(self, sweetness: f64) -> Self {
        let faster = Layer::Glaze.effect().faster;
        Self {
            sugar: self.sugar * sweetness,
            browning_rate: self.browning_rate * (1.0 + sweetness * (faster - 1.0)) / faster,
            ..self
        }
    }

    /// The same on a rind, which is collagen and has little that browns (from memory).
    #[must_use]
    pub const fn on_rind(self) -> Self {
        const SLOWER: f64 = 0.6;
        Self {
            browning_rate: self.browning_rate * SLOWER,
            ..self
        }
    }
}
