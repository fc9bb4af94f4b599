//! What the meat lies on, hangs on or tumbles in.

/// How the pieces are held in the machine.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Support {
    /// On the perforated floor of a basket or drawer.
    #[default]
    Basket,
    /// On an open rack: air from below as well.
    Rack,
    /// In a box of foil that leaves the top free: sides and base are shielded, juices kept.
    FoilBox,
    /// On a grill plate that is hot with the machine.
    GrillPlate,
    /// In a small roasting pan.
    RoastingPan,
    /// On a bed of thick slices of vegetables.
    Trivet,
    /// On a spit: every side is turned to the heat in turn.
    Spit,
    /// In a tumbling basket: the same, loosely.
    TumblingBasket,
}

/// Metal under the meat.
#[derive(Debug, Clone, Copy, PartialEq)]
pub(super) struct Plate {
    /// Contact between meat and metal, W/(m² K). Oiled meat on a hot plate: 300-900, chosen so that the
    /// crust of `colour-facts.csv` comes about; in a pan that is not heated from below the juices boil
    /// between them (from memory).
    pub contact: f64,
    /// How freely vapour leaves between meat and metal, 0..1.
    pub open: f64,
    /// Heat capacity, J/K: half a kilogram to a kilogram of coated aluminium.
    pub capacity: f64,
    /// Heat it takes from the air, W/K.
    pub from_air: f64,
}

impl Support {
    /// Every way, the usual first.
    pub const ALL: [Self; 8] = [
        Self::Basket,
        Self::Rack,
        Self::FoilBox,
        Self::GrillPlate,
        Self::RoastingPan,
        Self::Trivet,
        Self::Spit,
        Self::TumblingBasket,
    ];

    /// The name used in stored plans and on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::Basket => "basket",
            Self::Rack => "rack",
            Self::FoilBox => "foil_box",
            Self::GrillPlate => "grill_plate",
            Self::RoastingPan => "roasting_pan",
            Self::Trivet => "trivet",
            Self::Spit => "spit",
            Self::TumblingBasket => "tumbling_basket",
        }
    }

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Basket => "in the basket",
            Self::Rack => "on a rack",
            Self::FoilBox => "in a foil box",
            Self::GrillPlate => "on the grill plate",
            Self::RoastingPan => "in a roasting pan",
            Self::Trivet => "on a bed of vegetables",
            Self::Spit => "on the spit",
            Self::TumblingBasket => "in the tumbling basket",
        }
    }

    /// What it is good for (common practice).
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::Basket => "Air passes below; the usual way.",
            Self::Rack => "More air below: the lower face colours sooner.",
            Self::FoilBox => {
                "Sides and base are shielded and keep their juice; only the top crisps."
            }
            Self::GrillPlate => "The plate sears from below. Give it ten minutes to heat.",
            Self::RoastingPan => "Keeps the juices; the base hardly colours.",
            Self::Trivet => "Lifts the meat out of its juices and flavours the gravy; pale below.",
            Self::Spit => "Every side meets the heat in turn: no turning by hand.",
            Self::TumblingBasket => "Wings and cubes turn themselves; a crumb coat falls off.",
        }
    }

    /// Whether the support turns the pieces, so that no turn is planned.
    #[must_use]
    pub const fn turns_itself(self) -> bool {
        matches!(self, Self::Spit | Self::TumblingBasket)
    }

    pub(super) const fn plate(self) -> Option<Plate> {
        match self {
            Self::GrillPlate => Some(Plate {
                contact: 550.0,
                open: 0.3,
                capacity: 900.0,
                from_air: 6.0,
            }),
            Self::RoastingPan => Some(Plate {
                contact: 60.0,
                open: 0.1,
                capacity: 400.0,
                from_air: 4.0,
            }),
            _ => None,
        }
    }
}
