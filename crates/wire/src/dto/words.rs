//! The words for kinds of things, on the wire and in what is stored; a leaf, which everything reads.

use ember_core::basket::Tie;
use ember_core::doneness::Handling;
use ember_core::fryer::{Baste, MachineKind, Support, Which};
use ember_core::heat::Looking;
use ember_core::live::Shade;
use ember_core::meat::{Browning, CutId, FirstUp, Group, Silhouette};
use ember_core::plan::{
    Anchor, BatchOrder, Crispness, Decides, HotHolding, LoadRule, Outside, PreheatRule, SauceRule,
    StepKind, TurnRule, Unknown, WarningKind,
};
use ember_core::prep::{Place, Shows};

/// An enum of the wire with its counterpart in the core.
macro_rules! wire_enum {
    ($(#[$meta:meta])* $name:ident = $core:path { $($(#[$doc:meta])* $variant:ident),+ $(,)? }) => {
        $(#[$meta])*
        #[derive(
            Debug, Clone, Copy, PartialEq, Eq, serde::Serialize, serde::Deserialize,
            utoipa::ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        pub enum $name {
            $($(#[$doc])* $variant),+
        }

        impl From<$name> for $core {
            fn from(wire: $name) -> Self {
                match wire {
                    $($name::$variant => Self::$variant),+
                }
            }
        }

        impl From<$core> for $name {
            fn from(core: $core) -> Self {
                match core {
                    $(<$core>::$variant => Self::$variant),+
                }
            }
        }
    };
}
pub(crate) use wire_enum;

wire_enum!(
    /// Cut of the catalogue.
    CutDto = CutId {
        PartyWing, Drumette, WingFlat, WholeWing, Drumstick, BoneInThigh, BonelessThigh, LegQuarter, BonelessBreast, SpatchcockedChicken, WholeChicken, GameHen, TurkeyDrumstick, TurkeyWing, TurkeyBreastJoint, PorkBellySlab, BellyCubes, PorkChop, ThinChop, BonelessChop, ThinBonelessChop, BreadedChop, PorkLoinRoast, PorkTenderloin, PorkShoulderPiece, CountryRib, BackRibs, RibTips, BeefRoast, BeefRumpRoast, BeefSteak, BeefRibSteak, BeefShortRib, LambChop
    }
);
wire_enum!(
    /// A colour against the one that was planned.
    ShadeDto = Shade { Paler, AsPlanned, Darker }
);
wire_enum!(
    /// Where a cook looks for a cut.
    GroupDto = Group { Wings, Pieces, Birds, Belly, ChopsAndSteaks, Ribs, Roasts }
);
wire_enum!(
    /// Outline of a piece from above.
    SilhouetteDto = Silhouette { Capsule, Rounded, Rectangle, Teardrop, Folded }
);
wire_enum!(
    /// What a picture shows beside a task.
    ShowsDto = Shows { Tie, Rod, Centre, Forks, Boat, Bed }
);
wire_enum!(
    /// Method of preheating.
    PreheatDto = PreheatRule { Always, ThinOnly, Never, Hot }
);
wire_enum!(
    /// Method of turning.
    TurnDto = TurnRule { EqualBrowning, HalfWay, Never }
);
wire_enum!(
    /// Method of saucing.
    SauceDto = SauceRule { None, BeforeAndAtTurn, LastMinutes, Tossed }
);
wire_enum!(
    /// How the pieces share the machine.
    LoadDto = LoadRule { WithAir, AllAtOnce }
);
wire_enum!(
    /// How a roast on the spit is tied.
    TieDto = Tie { Tight, Loose, Untied }
);
wire_enum!(
    /// What becomes of the first batches while the others cook.
    HotHoldingDto = HotHolding { Warm, Reheat, Oven }
);
wire_enum!(
    /// How the pieces are held.
    SupportDto = Support {
        Basket, Rack, FoilBox, GrillPlate, RoastingPan, Trivet, Spit, TumblingBasket
    }
);
wire_enum!(
    /// What was done to a cut.
    HandlingDto = Handling { Plain, Rolled, Stuffed, Tenderised, TenderisedUnlabelled, LeftOver }
);
wire_enum!(
    /// How the outside should be.
    OutsideDto = Outside { AsItComes, Golden, Brown, Crisp }
);
wire_enum!(
    /// Which goal the pieces stay in for.
    DecidesDto = Decides { Inside, Outside, Planned }
);
wire_enum!(
    /// The face that looks up first: the one for show, or the other.
    FirstUpDto = FirstUp { Show, Other }
);
wire_enum!(
    /// In which order batches go in.
    BatchOrderDto = BatchOrder { HeaviestFirst, LightestFirst }
);
wire_enum!(
    /// Which pieces.
    WhichDto = Which { All, One }
);
wire_enum!(
    /// Which faces, by where they look at that moment.
    LookingDto = Looking { Up, Down, Both }
);
wire_enum!(
    /// What a piece is basted with.
    BasteDto = Baste { Fat, Water }
);
wire_enum!(
    /// Colour of a face.
    BrowningDto = Browning { Pale, Blond, Golden, Brown, Dark, Burnt }
);
wire_enum!(
    /// What a step asks for.
    StepKindDto = StepKind { Preheat, Load, Turn, Sauce, Set, Act, Check, Pull, Rest, Measure, Finish, Serve }
);
wire_enum!(
    /// What the time of a step follows: the minute after loading, its share of the cook, or the end.
    #[derive(Default)]
    AnchorDto = Anchor {
        #[default]
        Clock,
        Share,
        End,
    }
);
wire_enum!(
    /// What a warning is about.
    WarningKindDto = WarningKind {
        BelowFloor, NearElement, TooLong, SurfaceBurns, StaysPale, SauceTooEarly, Smoke,
        OutOfFridge, Allergen, FallsOff,
        TurnsBadly, CoolsBetween, Reheats, NotVerified, PastTheInside, Clock, RawSauce, TurnTwice,
        HotFat, Fire, Timer, FromFrozen
    }
);
wire_enum!(
    /// What an assumption is about.
    AssumptionKindDto = Unknown { Thickness, Start, MachineHeat, Thermostat, Load }
);
wire_enum!(
    /// How crisp a surface is.
    CrispnessDto = Crispness { Soggy, Soft, Fair, Crisp, VeryCrisp }
);
wire_enum!(
    /// Kind of machine.
    MachineKindDto = MachineKind {
        Drawer, TwinDrawers, OvenStyle, LiddedGrill, FanOven, StillOven
    }
);
wire_enum!(
    /// Where a task is done.
    PlaceDto = Place { Counter, Bowl, Fridge, Hob }
);
