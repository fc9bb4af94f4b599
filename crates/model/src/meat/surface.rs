//! What the surface is like when the piece goes in: layers, in the order in which they went on.

use super::{Layer, SurfaceStart};

/// Layers on a piece, the lowest first. None: wet from the package.
#[derive(Clone, Copy, PartialEq, Eq)]
pub struct Surface {
    layers: [Option<Layer>; Self::MOST],
}

/// Why layers make no surface.
#[derive(Debug, Clone, Copy, PartialEq, Eq, thiserror::Error)]
pub enum Unlayered {
    /// More than fit.
    #[error("a surface has at most {most} layers, this one {many}; leave some out", most = Surface::MOST)]
    TooMany {
        /// Layers there are.
        many: usize,
    },
    /// The same twice in succession.
    #[error("\"{}\" comes twice in succession; once is enough", .0.words())]
    Twice(Layer),
    /// Drying comes after a layer that neither a towel nor the fridge's air dries.
    #[error("\"{}\" comes after \"{}\"; dry it first, or after a marinade", .dried.words(), .after.words())]
    DriedTooLate {
        /// How it is dried.
        dried: Layer,
        /// What lies there already.
        after: Layer,
    },
}

impl std::fmt::Debug for Surface {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        f.debug_list().entries(self.layers()).finish()
    }
}

impl Surface {
    /// Greatest number of layers.
    pub const MOST: usize = 8;

    /// Straight from the package.
    pub const RAW: Self = Self::of([]);
    /// Patted dry, nothing on it.
    pub const PATTED_DRY: Self = Self::of([Layer::PattedDry]);
    /// Patted dry and oiled.
    pub const OILED: Self = Self::of([Layer::PattedDry, Layer::Oil]);
    /// Patted dry, oil and a dry rub.
    pub const RUBBED: Self = Self::of([Layer::PattedDry, Layer::Oil, Layer::Rub]);
    /// Patted dry, a rub with baking powder.
    pub const BAKING_POWDER: Self = Self::of([Layer::PattedDry, Layer::BakingPowder]);
    /// Uncovered in the fridge for hours, then rubbed.
    pub const FRIDGE_DRIED: Self = Self::of([Layer::FridgeDried, Layer::Rub]);
    /// A light dusting of flour and an oil spray.
    pub const FLOURED: Self = Self::of([Layer::PattedDry, Layer::Flour, Layer::Spray]);
    /// A light dusting of starch and an oil spray.
    pub const STARCHED: Self = Self::of([Layer::PattedDry, Layer::Starch, Layer::Spray]);
    /// Tossed in starch and flour, and an oil spray.
    pub const STARCH_AND_FLOUR: Self =
        Self::of([Layer::PattedDry, Layer::Starch, Layer::Flour, Layer::Spray]);
    /// Flour, egg and crumb, sprayed with oil.
    pub const CRUMBED: Self = Self::of([
        Layer::PattedDry,
        Layer::Flour,
        Layer::Egg,
        Layer::Crumb,
        Layer::Spray,
    ]);
    /// Brushed with something sweet before it goes in.
    pub const GLAZED: Self = Self::of([Layer::PattedDry, Layer::Glaze]);
    /// As it comes out of a marinade.
    pub const MARINATED: Self = Self::of([Layer::WetMarinade]);
    /// Tossed in butter sauce before it goes in.
    pub const BUTTERED: Self = Self::of([Layer::PattedDry, Layer::ButterSauce]);

    /// Those that cooks have a name for, in the order a cook thinks of them.
    pub const USUAL: [Self; 13] = [
        Self::RAW,
        Self::PATTED_DRY,
        Self::OILED,
        Self::RUBBED,
        Self::BAKING_POWDER,
        Self::FRIDGE_DRIED,
        Self::FLOURED,
        Self::STARCHED,
        Self::STARCH_AND_FLOUR,
        Self::CRUMBED,
        Self::MARINATED,
        Self::BUTTERED,
        Self::GLAZED,
    ];

    const fn of<const N: usize>(layers: [Layer; N]) -> Self {
        let mut all = [None; Self::MOST];
        let mut n = 0;
        while n < N {
            #[allow(clippy::indexing_slicing, reason = "computed when this is compiled")]
            {
                all[n] = Some(layers[n]);
            }
            n += 1;
        }
        Self { layers: all }
    }

    /// Layers one over the other, the lowest first.
    ///
    /// ```
    /// use ember_model::meat::{Layer, Surface, Unlayered};
    /// let twice = [Layer::PattedDry, Layer::Flour, Layer::Egg, Layer::Flour, Layer::Egg, Layer::Crumb];
    /// assert_eq!(Surface::layered(&twice).unwrap().layers().count(), 6);
    /// let late = Surface::layered(&[Layer::Oil, Layer::PattedDry]).unwrap_err();
    /// assert_eq!(late, Unlayered::DriedTooLate { dried: Layer::PattedDry, after: Layer::Oil });
    /// ```
    ///
    /// # Errors
    /// [`Unlayered`] with what is wrong.
    pub fn layered(layers: &[Layer]) -> Result<Self, Unlayered> {
        let many = layers.len();
        if many > Self::MOST {
            return Err(Unlayered::TooMany { many });
        }
        for (below, above) in layers.iter().zip(layers.iter().skip(1)) {
            if below == above {
                return Err(Unlayered::Twice(*above));
            }
            let can_dry = below.dries() || *below == Layer::WetMarinade;
            if above.dries() && !can_dry {
                return Err(Unlayered::DriedTooLate {
                    dried: *above,
                    after: *below,
                });
            }
        }
        let mut all = [None; Self::MOST];
        for (slot, layer) in all.iter_mut().zip(layers) {
            *slot = Some(*layer);
        }
        Ok(Self { layers: all })
    }

    /// The layers, the lowest first.
    pub fn layers(self) -> impl Iterator<Item = Layer> {
        self.layers.into_iter().flatten()
    }

    /// Whether there is such a layer.
    ///
    /// ```
    /// use ember_model::meat::{Layer, Surface};
    /// assert!(Surface::CRUMBED.has(Layer::Egg) && !Surface::RUBBED.has(Layer::Egg));
    /// ```
    #[must_use]
    pub fn has(self, layer: Layer) -> bool {
        self.layers().any(|one| one == layer)
    }

    /// The words in the sentence.
    ///
    /// ```
    /// use ember_model::meat::{Layer, Surface};
    /// assert_eq!(Surface::RUBBED.words(true), "rubbed, skin dry");
    /// let own = Surface::layered(&[Layer::PattedDry, Layer::Oil, Layer::Starch]).unwrap();
    /// assert_eq!(own.words(true), "patted dry, oil, starch");
    /// ```
    #[must_use]
    pub fn words(self, skin: bool) -> String {
        let usual = match self {
            Self::RAW => "wet from the package",
            Self::RUBBED if skin => "rubbed, skin dry",
            Self::RUBBED => "rubbed, patted dry",
            Self::FRIDGE_DRIED => "dried in the fridge, rubbed",
            Self::FLOURED => "floured and sprayed",
            Self::STARCHED => "dusted with starch and sprayed",
            Self::STARCH_AND_FLOUR => "tossed in starch and flour, sprayed",
            Self::OILED => "patted dry and oiled",
            Self::BAKING_POWDER => "rubbed with baking powder",
            Self::CRUMBED => "in egg and crumb",
            Self::GLAZED => "glazed",
            Self::MARINATED => "wet from the marinade",
            Self::BUTTERED => "in butter sauce",
            _ => {
                let layers: Vec<&str> = self.layers().map(Layer::words).collect();
                return layers.join(", ");
            }
        };
        usual.to_owned()
    }

    /// What its layers bring that some may not eat, each once.
    ///
    /// ```
    /// use ember_model::meat::Surface;
    /// assert_eq!(Surface::CRUMBED.allergens(), ["wheat", "egg"]);
    /// assert!(Surface::RUBBED.allergens().is_empty());
    /// ```
    #[must_use]
    pub fn allergens(self) -> Vec<&'static str> {
        let mut all = Vec::new();
        for allergen in self.layers().filter_map(Layer::allergen) {
            if !all.contains(&allergen) {
                all.push(allergen);
            }
        }
        all
    }

    /// Each layer with the share of it that stays on: a dry layer needs a layer beside it that holds
    /// it, or meat that is still wet.
    ///
    /// ```
    /// use ember_model::meat::{Layer, Surface};
    /// let loose = Surface::layered(&[Layer::PattedDry, Layer::Crumb]).unwrap();
    /// assert_eq!(loose.staying().last(), Some((Layer::Crumb, 0.5)));
    /// assert!(Surface::CRUMBED.staying().all(|(_, stays)| stays == 1.0));
    /// ```
    pub fn staying(self) -> impl Iterator<Item = (Layer, f64)> {
        let holds = move |n: Option<usize>| {
            n.and_then(|n| self.layers.get(n).copied().flatten())
                .is_some_and(Layer::holds)
        };
        self.layers().enumerate().map(move |(n, layer)| {
            let held = n == 0 || holds(n.checked_sub(1)) || holds(n.checked_add(1));
            let stays = if held { 1.0 } else { 1.0 - layer.falls_off() };
            (layer, stays)
        })
    }

    /// What it means for the heat model.
    ///
    /// ```
    /// use ember_model::meat::Surface;
    /// assert!(Surface::RAW.start().film > Surface::PATTED_DRY.start().film);
    /// assert!(Surface::FRIDGE_DRIED.start().dry_layer > 0.0);
    /// ```
    #[must_use]
    pub fn start(self) -> SurfaceStart {
        self.staying()
            .fold(SurfaceStart::RAW, |start, (layer, stays)| {
                start.with(layer, stays)
            })
    }
}
