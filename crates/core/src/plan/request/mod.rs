//! What the cook says: the sentence as a type, and its checks.

mod words;

use crate::basket::{GAP, Placed, Tie};
use crate::doneness::{Floor, Region, floor, usual_texture};
use crate::fryer::{Action, Machine, Support};
use crate::meat::{Browning, Coat, Cut, CutId, Texture, cut};
use crate::prep::Ahead;
use crate::units::{Interval, Length, Mass, Temperature, TemperatureDifference};

/// Where the meat comes from.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Start {
    /// Straight from the fridge.
    Fridge,
    /// Half an hour on the counter.
    Tempered,
    /// Measured by the cook.
    Measured(Temperature),
}

/// Whether the machine is hot when the meat goes in.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum PreheatRule {
    /// Always.
    Always,
    /// For pieces up to 30 mm, where the first minutes count.
    #[default]
    ThinOnly,
    /// Never.
    Never,
}

/// When the pieces are turned.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum TurnRule {
    /// At the minute after which both faces end equally brown.
    #[default]
    EqualBrowning,
    /// Half-way.
    HalfWay,
    /// Not at all.
    Never,
}

/// When sauce goes on.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum SauceRule {
    /// No sauce.
    #[default]
    None,
    /// One side before, the other at the turn.
    BeforeAndAtTurn,
    /// For the last minutes.
    LastMinutes,
    /// Tossed after the cook, while roaring hot.
    Tossed,
}

/// How the pieces share the machine.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum LoadRule {
    /// In as many batches as keep air around each piece.
    #[default]
    WithAir,
    /// All at once, however they lie.
    AllAtOnce,
}

/// What becomes of the first batches while the others cook.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Keeping {
    /// Kept warm, covered.
    #[default]
    Warm,
    /// Left open and put back for two minutes at the end: crisper.
    Reheat,
}

/// How the dial is set over the cook.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub enum Programme {
    /// One setting throughout.
    #[default]
    Steady,
    /// Hotter at first, then the setting.
    HotStart {
        /// The dial at first.
        setting: Temperature,
        /// How long.
        time: Interval,
    },
    /// The setting, then hotter at the end.
    HotFinish {
        /// The dial at the end.
        setting: Temperature,
        /// How long.
        time: Interval,
    },
}

/// Something the cook does at a minute of every batch.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct TimedAction {
    /// When, from loading.
    pub at: Interval,
    /// What.
    pub action: Action,
}

/// The sentence.
#[derive(Debug, Clone, PartialEq)]
pub struct Request {
    /// What.
    pub cut: CutId,
    /// How many.
    pub pieces: u32,
    /// Weight of one.
    pub mass: Mass,
    /// Weights of all, where they were weighed one by one.
    pub weights: Vec<Mass>,
    /// Thickness at the thickest part; absent until measured.
    pub thickness: Option<Length>,
    /// From where.
    pub start: Start,
    /// What happens to the meat before it goes in, from [`Self::start`] on.
    pub ahead: Vec<Ahead>,
    /// Surface.
    pub coat: Coat,
    /// In what.
    pub machine: Machine,
    /// How the pieces are held in it.
    pub support: Support,
    /// How they share it.
    pub load: LoadRule,
    /// Gap to leave around each piece.
    pub gap: Length,
    /// Where the pieces lie, if the cook moved them: from the first on, perhaps not all.
    pub layout: Option<Vec<Placed>>,
    /// The uppermost rack to use, counted from below; absent for the one that suits.
    pub rack: Option<usize>,
    /// How a roast on the spit is tied.
    pub tie: Tie,
    /// What becomes of the first batches.
    pub keeping: Keeping,
    /// At what; absent for the recommended setting.
    pub setting: Option<Temperature>,
    /// How the dial is set over the cook.
    pub programme: Programme,
    /// What else happens during the cook.
    pub actions: Vec<TimedAction>,
    /// School of preheating.
    pub preheat: PreheatRule,
    /// School of turning.
    pub turn: TurnRule,
    /// School of saucing.
    pub sauce: SauceRule,
    /// Core temperature wanted.
    pub target: Temperature,
    /// Whose safety floor applies.
    pub region: Region,
    /// The cook has read and accepted that the target is below the floor.
    pub below_floor_acknowledged: bool,
    /// Temperature of the kitchen.
    pub room: Temperature,
}

/// Sauce of the school "last minutes" goes on so long before the end.
pub const SAUCE_BEFORE: Interval = Interval::from_minutes(7.0);

/// A fridge as kitchens have it.
const FRIDGE: f64 = 4.0;
/// What half an hour on the counter makes of it (common practice: the outside warms, the inside
/// hardly).
const TEMPERED: f64 = 9.0;
/// Up to this thickness the school "only thin pieces" preheats, mm (common practice).
const THIN: f64 = 30.0;
/// Two temperatures that a thermometer shows alike, K.
const SAME: f64 = 0.5;

impl Start {
    /// The even temperature the model starts from.
    #[must_use]
    pub const fn temperature(self) -> Temperature {
        match self {
            Self::Fridge => Temperature::from_celsius(FRIDGE),
            Self::Tempered => Temperature::from_celsius(TEMPERED),
            Self::Measured(t) => t,
        }
    }

    /// One standard deviation of what is not known.
    #[must_use]
    pub const fn spread(self) -> TemperatureDifference {
        TemperatureDifference::from_kelvins(match self {
            Self::Fridge => 2.0,
            Self::Tempered => 3.0,
            Self::Measured(_) => 0.5,
        })
    }
}

impl Request {
    /// A usual cook of a cut: what the sentence says before anything is changed.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    /// let plan = plan(&request).unwrap();
    /// assert!((15.0..35.0).contains(&plan.pull_at.minutes()));
    /// ```
    #[must_use]
    pub fn usual(id: CutId, machine: Machine) -> Self {
        let entry = cut(id);
        let [_, usual, _] = entry.usual_mass;
        Self {
            cut: id,
            pieces: entry.usual_pieces,
            mass: usual,
            weights: Vec::new(),
            thickness: None,
            start: Start::Fridge,
            ahead: Vec::new(),
            coat: entry.coat,
            support: if machine.racks.is_empty() {
                Support::default()
            } else {
                Support::Rack
            },
            machine,
            load: LoadRule::default(),
            gap: Length::from_millimetres(GAP),
            layout: None,
            rack: None,
            tie: Tie::default(),
            keeping: Keeping::default(),
            setting: None,
            programme: Programme::default(),
            actions: Vec::new(),
            preheat: PreheatRule::default(),
            turn: if entry.one_face_up {
                TurnRule::Never
            } else {
                TurnRule::default()
            },
            sauce: SauceRule::default(),
            target: usual_texture(entry, Region::default())
                .map_or(Temperature::from_celsius(74.0), |texture| texture.core),
            region: Region::default(),
            below_floor_acknowledged: false,
            room: Temperature::from_celsius(21.0),
        }
    }

    /// The catalogue entry.
    #[must_use]
    pub fn entry(&self) -> &'static Cut {
        cut(self.cut)
    }

    /// The thickness used: measured, or expected from the weight.
    #[must_use]
    pub fn thickness_used(&self) -> Length {
        self.thickness
            .unwrap_or_else(|| self.entry().expected_thickness(self.mass))
    }

    /// Weight of a piece by its number from 0.
    #[must_use]
    pub fn mass_of(&self, piece: usize) -> Mass {
        self.weights.get(piece).copied().unwrap_or(self.mass)
    }

    /// Thickness of a piece of a weight: as the one that was measured, or expected from it.
    #[must_use]
    pub fn thickness_of(&self, mass: Mass) -> Length {
        let entry = self.entry();
        self.thickness.map_or_else(
            || entry.expected_thickness(mass),
            |measured| {
                let ratio = mass.grams() / self.mass.grams();
                Length::from_millimetres(
                    measured.millimetres() * ratio.powf(entry.thickness.exponent),
                )
            },
        )
    }

    /// The heaviest piece, which takes longest.
    #[must_use]
    pub fn heaviest(&self) -> Mass {
        let weighed = self.weights.iter().map(|mass| mass.grams());
        Mass::from_grams(weighed.fold(f64::NEG_INFINITY, f64::max).max(
            if self.weights.is_empty() {
                self.mass.grams()
            } else {
                0.0
            },
        ))
    }

    /// The setting used: the cook's as the dial shows it, or the recommended one as far as the
    /// machine goes.
    #[must_use]
    pub fn setting_used(&self) -> Temperature {
        if let Some(setting) = self.setting {
            return self.machine.on_dial(setting);
        }
        let step = self.machine.step.kelvins().max(1.0);
        let wanted = self.entry().setting.celsius();
        if wanted >= self.machine.highest.celsius() {
            return self.machine.highest;
        }
        let snapped = crate::units::round_to_step(wanted, step);
        Temperature::from_celsius(snapped.max(self.machine.lowest.celsius()))
    }

    /// The school of turning as far as it applies: what turns itself is not turned.
    #[must_use]
    pub fn turns(&self) -> TurnRule {
        if self.support.turns_itself() {
            TurnRule::Never
        } else {
            self.turn
        }
    }

    /// The dial when the meat goes in.
    #[must_use]
    pub fn first_setting(&self) -> Temperature {
        match self.programme {
            Programme::HotStart { setting, .. } => setting,
            Programme::Steady | Programme::HotFinish { .. } => self.setting_used(),
        }
    }

    /// Whether the school preheats this piece.
    #[must_use]
    pub fn preheats(&self) -> bool {
        match self.preheat {
            PreheatRule::Always => true,
            PreheatRule::ThinOnly => self.thickness_used().millimetres() <= THIN,
            PreheatRule::Never => false,
        }
    }

    /// The texture whose temperature was asked for, if it has a name.
    #[must_use]
    pub fn texture(&self) -> Option<&'static Texture> {
        self.entry()
            .textures
            .iter()
            .find(|texture| (texture.core - self.target).kelvins().abs() < SAME)
    }

    /// The colour the surface must reach as well.
    #[must_use]
    pub fn least_browning(&self) -> Browning {
        self.texture()
            .or_else(|| self.entry().textures.first())
            .map_or(Browning::Pale, |texture| texture.least_browning)
    }

    /// The safety floor.
    #[must_use]
    pub fn floor(&self) -> Floor {
        floor(self.region, self.entry().animal, self.entry().class)
    }

    /// Whether the target lies below the floor, as a thermometer shows it.
    #[must_use]
    pub fn is_below_floor(&self) -> bool {
        self.floor()
            .core
            .is_some_and(|floor| (floor - self.target).kelvins() >= SAME)
    }

    /// Whether rest may complete the target: never for poultry.
    #[must_use]
    pub fn rest_completes(&self) -> bool {
        !self.entry().animal.is_poultry() && self.entry().rest.minutes() > 0.0
    }
}
