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

/// The numbers a [`Coat`] stands for in the heat model.
///
/// All are common practice in kind and from memory in size: a wet face carries a tenth of a
/// millimetre of water, a towel leaves a fifth of that, a night in the fridge leaves a leathery
/// layer some tenths of a millimetre deep, a crumb coat is a millimetre of bread that is dry
/// already. Alkali and sugar speed browning by half and more.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct SurfaceStart {
    /// Free water on the surface, kg/m², that must leave before the surface dries.
    pub film: f64,
    /// Thickness of the layer that is dry from the start, m.
    pub dry_layer: f64,
    /// How much faster than bare skin the surface browns.
    pub browning_rate: f64,
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

    /// What the coat means for the surface.
    ///
    /// ```
    /// use ember_core::meat::Coat;
    /// assert!(Coat::Wet.start().film > Coat::PattedDry.start().film);
    /// assert!(Coat::FridgeDried.start().dry_layer > 0.0);
    /// ```
    #[must_use]
    pub const fn start(self) -> SurfaceStart {
        match self {
            Self::Wet => SurfaceStart {
                film: 0.10,
                dry_layer: 0.0,
                browning_rate: 1.0,
            },
            Self::PattedDry => SurfaceStart {
                film: 0.02,
                dry_layer: 0.0,
                browning_rate: 1.0,
            },
            Self::Rubbed => SurfaceStart {
                film: 0.02,
                dry_layer: 0.05e-3,
                browning_rate: 1.15,
            },
            Self::FridgeDried => SurfaceStart {
                film: 0.0,
                dry_layer: 0.25e-3,
                browning_rate: 1.15,
            },
            Self::Oiled => SurfaceStart {
                film: 0.01,
                dry_layer: 0.0,
                browning_rate: 1.1,
            },
            Self::BakingPowder => SurfaceStart {
                film: 0.01,
                dry_layer: 0.10e-3,
                browning_rate: 1.5,
            },
            Self::Crumbed => SurfaceStart {
                film: 0.0,
                dry_layer: 1.0e-3,
                browning_rate: 1.4,
            },
            Self::Glazed => SurfaceStart {
                film: 0.05,
                dry_layer: 0.0,
                browning_rate: 1.7,
            },
            Self::Floured => SurfaceStart {
                film: 0.02,
                dry_layer: 0.20e-3,
                browning_rate: 0.9,
            },
        }
    }
}
