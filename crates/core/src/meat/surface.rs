//! What the surface is like when the piece goes in.

/// How the cook prepared the surface.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Coat {
    /// Straight from the package, or wet from a marinade.
    Wet,
    /// Patted dry, nothing on it.
    #[default]
    PattedDry,
    /// Patted dry and oiled.
    Oiled,
    /// Patted dry, oil and a dry rub.
    Rubbed,
    /// Patted dry, a rub with baking powder.
    BakingPowder,
    /// Uncovered in the fridge for hours, then rubbed.
    FridgeDried,
    /// A light dusting of flour or starch and an oil spray.
    Floured,
    /// Flour, egg and crumb, sprayed with oil.
    Crumbed,
    /// Brushed with something sweet before it goes in.
    Glazed,
}

/// One thing that is done to a surface or put on it, in the order in which it is.
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
}

impl SurfaceStart {
    /// As it comes out of its package: wet.
    pub const RAW: Self = Self {
        film: 0.10,
        dry_layer: 0.0,
        browning_rate: 1.0,
        sugar: 0.0,
    };

    /// A dry body, for comparison with exact solutions.
    pub const BARE: Self = Self {
        film: 0.0,
        ..Self::RAW
    };

    /// With one more layer on it.
    ///
    /// ```
    /// use ember_core::meat::{Layer, SurfaceStart};
    /// let dusted = SurfaceStart::RAW.with(Layer::PattedDry).with(Layer::Flour);
    /// assert!(dusted.film < SurfaceStart::RAW.film && dusted.dry_layer > 0.0);
    /// // Flour browns more slowly than skin, a glaze much faster.
    /// assert!(dusted.browning_rate < 1.0);
    /// assert!(SurfaceStart::RAW.with(Layer::Glaze).browning_rate > 1.3);
    /// ```
    #[must_use]
    pub const fn with(self, layer: Layer) -> Self {
        // What it brings in water, kg/m², and leaves of the water below; its dry thickness, mm; how much
        // faster it browns; its sugar.
        let (wets, leaves, dry, faster, sugar) = match layer {
            Layer::PattedDry => (0.0, 0.2, 0.0, 1.0, 0.0),
            Layer::FridgeDried => (0.0, 0.0, 0.25, 0.9, 0.0),
            Layer::Oil => (0.0, 1.0, 0.0, 1.1, 0.0),
            Layer::Rub => (0.0, 1.0, 0.05, 1.0, 0.0),
            Layer::BakingPowder => (0.0, 0.5, 0.10, 1.5, 0.0),
            Layer::Starch => (0.0, 0.6, 0.15, 0.85, 0.0),
            Layer::Flour => (0.0, 0.6, 0.20, 0.85, 0.0),
            Layer::Egg => (0.05, 1.0, 0.0, 1.2, 0.0),
            // It soaks up what is wet below it.
            Layer::Crumb => (0.0, 0.0, 1.0, 1.3, 0.0),
            Layer::ButterSauce => (0.05, 1.0, 0.0, 1.2, 0.0),
            Layer::WetMarinade => (0.10, 1.0, 0.0, 1.1, 0.1),
            Layer::Spray => (0.0, 1.0, 0.0, 1.05, 0.0),
            Layer::Glaze => (0.05, 1.0, 0.0, 1.45, 1.0),
        };
        Self {
            film: self.film * leaves + wets,
            dry_layer: self.dry_layer + dry * 1e-3,
            browning_rate: self.browning_rate * faster,
            sugar: self.sugar.max(sugar),
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

    /// Layers on raw meat, in order.
    #[must_use]
    pub fn of(layers: &[Layer]) -> Self {
        layers
            .iter()
            .fold(Self::RAW, |start, layer| start.with(*layer))
    }
}

impl Coat {
    /// Every coat, in the order a cook thinks of them.
    pub const ALL: [Self; 9] = [
        Self::Wet,
        Self::PattedDry,
        Self::Oiled,
        Self::Rubbed,
        Self::BakingPowder,
        Self::FridgeDried,
        Self::Floured,
        Self::Crumbed,
        Self::Glazed,
    ];

    /// The name used in stored plans and on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::Wet => "wet",
            Self::PattedDry => "patted_dry",
            Self::Rubbed => "rubbed",
            Self::FridgeDried => "fridge_dried",
            Self::Floured => "floured",
            Self::Oiled => "oiled",
            Self::BakingPowder => "baking_powder",
            Self::Crumbed => "crumbed",
            Self::Glazed => "glazed",
        }
    }

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self, skin: bool) -> &'static str {
        match (self, skin) {
            (Self::Wet, _) => "wet from the package",
            (Self::PattedDry, _) => "patted dry",
            (Self::Rubbed, true) => "rubbed, skin dry",
            (Self::Rubbed, false) => "rubbed, patted dry",
            (Self::FridgeDried, _) => "dried in the fridge, rubbed",
            (Self::Floured, _) => "floured and sprayed",
            (Self::Oiled, _) => "patted dry and oiled",
            (Self::BakingPowder, _) => "rubbed with baking powder",
            (Self::Crumbed, _) => "in egg and crumb",
            (Self::Glazed, _) => "glazed",
        }
    }

    /// Allergens the coat itself brings; a rub's own are on its label.
    #[must_use]
    pub const fn allergens(self) -> Option<&'static str> {
        match self {
            Self::Floured => Some("wheat, unless the flour is starch of another kind"),
            Self::Crumbed => Some("wheat and egg, unless yours are made without"),
            Self::BakingPowder => Some("what the powder's starch is made of, at times wheat"),
            Self::Glazed => Some("what the glaze's label names, often mustard or soy"),
            Self::Wet | Self::PattedDry | Self::Oiled | Self::Rubbed | Self::FridgeDried => None,
        }
    }

    /// The layers it is made of, in order.
    #[must_use]
    pub const fn layers(self) -> &'static [Layer] {
        use Layer::{
            BakingPowder, Crumb, Egg, Flour, FridgeDried, Glaze, Oil, PattedDry, Rub, Spray,
        };
        match self {
            Self::Wet => &[],
            Self::PattedDry => &[PattedDry],
            Self::Oiled => &[PattedDry, Oil],
            Self::Rubbed => &[PattedDry, Oil, Rub],
            Self::BakingPowder => &[PattedDry, BakingPowder],
            Self::FridgeDried => &[FridgeDried, Rub],
            Self::Floured => &[PattedDry, Flour, Spray],
            Self::Crumbed => &[PattedDry, Flour, Egg, Crumb, Spray],
            Self::Glazed => &[PattedDry, Glaze],
        }
    }

    /// What the coat means for the surface.
    ///
    /// ```
    /// use ember_core::meat::Coat;
    /// assert!(Coat::Wet.start().film > Coat::PattedDry.start().film);
    /// assert!(Coat::FridgeDried.start().dry_layer > 0.0);
    /// ```
    #[must_use]
    pub fn start(self) -> SurfaceStart {
        SurfaceStart::of(self.layers())
    }
}
