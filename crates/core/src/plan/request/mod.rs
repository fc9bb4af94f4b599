//! What the cook says: the sentence as a type, and its checks.

mod actions;
mod known;
mod rules;
mod words;

pub use actions::{Origin, PlannedAction, When};
pub use known::{Known, KnownCut, KnownMachine};
pub use rules::{
    BatchOrder, Finish, HotHolding, LoadRule, PreheatRule, Programme, SauceRule, Start,
    Thermometer, TurnRule,
};

use super::goals::Outside;
use crate::basket::{GAP, Placed, Tie};
use crate::doneness::{Floor, Handling, Region, floor, usual_texture};
use crate::fryer::{Action, Machine, Support, USUAL_SAUCE, sweetness};
use crate::heat::Looking;
use crate::meat::{Cut, CutId, FirstUp, Form, Layer, Surface, SurfaceStart, Texture, cut};
use crate::prep::{Ahead, Method, Seasoning, left_over, prepared, warming_before};
use crate::recipe::Recipe;
use crate::units::{Interval, Length, Mass, Temperature, TemperatureDifference};

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
    pub surface: Surface,
    /// What of the cook's own sauce or glaze is sugar, 0 to 1; absent for any.
    pub sugar: Option<f64>,
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
    pub hot_holding: HotHolding,
    /// At what; absent for the recommended setting.
    pub setting: Option<Temperature>,
    /// How the dial is set over the cook.
    pub programme: Programme,
    /// What else happens during the cook.
    pub actions: Vec<PlannedAction>,
    /// Method of preheating.
    pub preheat: PreheatRule,
    /// Method of turning.
    pub turn: TurnRule,
    /// Method of saucing.
    pub sauce: SauceRule,
    /// Core temperature wanted, after the rest.
    pub target: Temperature,
    /// What the thermometer should show when it comes out; absent where the target decides.
    pub out_at: Option<Temperature>,
    /// What is done after the rest.
    pub finish: Finish,
    /// How the outside should be; absent for what is usual.
    pub outside: Option<Outside>,
    /// The face that looks up first.
    pub first_up: FirstUp,
    /// What was done to the cut.
    pub handling: Handling,
    /// What the cook measures with.
    pub thermometer: Thermometer,
    /// Pieces of each batch, where the cook divides them; they lie as they can.
    pub split: Vec<u32>,
    /// In which order batches go in.
    pub order: BatchOrder,
    /// Whose safety floor applies.
    pub region: Region,
    /// The cook has read and accepted that the target is below the floor.
    pub below_floor_acknowledged: bool,
    /// Somebody at the table is pregnant, very young, old or ill: no target below the floor.
    pub vulnerable: bool,
    /// What this kitchen has learned.
    pub known: Known,
    /// Temperature of the kitchen.
    pub room: Temperature,
    /// Height of the kitchen over the sea.
    pub altitude: Length,
}

/// Sauce of the method "last minutes" goes on so long before the end.
pub const SAUCE_BEFORE: Interval = Interval::from_minutes(7.0);

/// Up to this thickness the method "only thin pieces" preheats, mm (common practice).
const THIN: f64 = 30.0;
/// Pieces as heavy as this rest under a tent, g (common practice: roasts are tented).
pub const TENTED_FROM: f64 = 600.0;
/// The most a plan leaves to the rest, K: common practice is 3 K on a chop and 3-7 K on a roast.
/// The model, whose core is the coldest spot and not what a thermometer finds, rises more from
/// hot machines; the difference stays on the safe side.
const COUNTED_ON_SMALL: f64 = 5.0;
const COUNTED_ON_ROAST: f64 = 8.0;
/// A temperature this near a texture's has its name, K: a thermometer shows both alike.
pub const TEXTURE_WITHIN: f64 = 0.5;

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
            surface: entry.surface,
            sugar: None,
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
            hot_holding: HotHolding::default(),
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
            known: Known::default(),
            region: Region::default(),
            below_floor_acknowledged: false,
            out_at: None,
            finish: Finish::None,
            outside: None,
            first_up: entry.first_up(),
            handling: Handling::default(),
            thermometer: Thermometer::default(),
            split: Vec::new(),
            order: BatchOrder::default(),
            vulnerable: false,
            room: Temperature::from_celsius(21.0),
            altitude: Length::from_millimetres(0.0),
        }
    }

    /// The catalogue entry.
    #[must_use]
    pub fn entry(&self) -> &'static Cut {
        cut(self.cut)
    }

    /// The body a piece is computed as: a stuffed bird has no cavity.
    #[must_use]
    pub fn form(&self) -> Form {
        match (self.handling, self.entry().form) {
            (Handling::Stuffed, Form::Tube { .. }) => Form::Bar,
            (_, form) => form,
        }
    }

    /// The thickness used: measured, or expected from the weight.
    #[must_use]
    pub fn thickness_used(&self) -> Length {
        self.thickness_of(self.mass)
    }

    /// The even temperature the model starts from: out of this kitchen's fridge where that is known.
    #[must_use]
    pub fn start_temperature(&self) -> Temperature {
        let usual = self.start.temperature();
        match (self.start, self.known.cut) {
            (Start::Fridge | Start::Tempered(_), Some(cut)) => usual + cut.start,
            _ => usual,
        }
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
            || {
                let usual = entry.expected_thickness(mass).millimetres();
                Length::from_millimetres(usual * self.known.cut.map_or(1.0, |cut| cut.thickness))
            },
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
        self.machine.nearest_mark(self.entry().setting)
    }

    /// The method of turning as far as it applies: what turns itself is not turned.
    #[must_use]
    pub fn turns(&self) -> TurnRule {
        if self.support.turns_itself() {
            TurnRule::Never
        } else {
            self.turn
        }
    }

    /// Whether both faces come up: by the method, or by a turn of the cook's own.
    #[must_use]
    pub fn is_turned(&self) -> bool {
        let own = self.actions.iter().any(|planned| planned.action.turns());
        self.turns() != TurnRule::Never || own
    }

    /// When the last thing that is planned for a minute has had its effect: sauce sets in some five
    /// minutes, a face that was turned up takes two to dry (common practice).
    #[must_use]
    pub fn planned_until(&self) -> Interval {
        let ends = self.actions.iter().filter_map(|planned| {
            let When::At(at) = planned.when else {
                return None;
            };
            let minutes = match planned.action {
                Action::Sauce(_) => 5.0,
                action if action.turns() => 2.0,
                _ => 0.5,
            };
            Some(at.seconds() + 60.0 * minutes)
        });
        Interval::from_seconds(ends.fold(0.0, f64::max))
    }

    /// The dial when the meat goes in.
    #[must_use]
    pub fn first_setting(&self) -> Temperature {
        match self.programme {
            Programme::HotStart { setting, .. } => setting,
            Programme::Steady | Programme::HotFinish { .. } => self.setting_used(),
        }
    }

    /// The highest that the dial stands while the meat is in.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Finish, Request}, units::{Interval, Temperature}};
    /// let mut roast = Request::usual(CutId::BeefRoast, PRESETS[1].machine());
    /// roast.finish = Finish::Crisp {
    ///     setting: Temperature::from_celsius(200.0),
    ///     time: Interval::from_minutes(5.0),
    /// };
    /// assert_eq!(roast.hottest_setting().celsius(), 200.0);
    /// ```
    #[must_use]
    pub fn hottest_setting(&self) -> Temperature {
        let programme = match self.programme {
            Programme::Steady => None,
            Programme::HotStart { setting, .. } | Programme::HotFinish { setting, .. } => {
                Some(setting)
            }
        };
        let finish = match self.finish {
            Finish::Crisp { setting, .. } => Some(setting),
            Finish::None | Finish::Pan(_) | Finish::Shred(_) => None,
        };
        let planned = self.actions.iter().filter_map(|one| match one.action {
            Action::Set(setting) => Some(setting),
            _ => None,
        });
        let others = programme.into_iter().chain(finish).chain(planned);
        others.fold(self.setting_used(), |a, b| if b > a { b } else { a })
    }

    /// Whether the method preheats this piece.
    #[must_use]
    pub fn preheats(&self) -> bool {
        match self.preheat {
            PreheatRule::Always | PreheatRule::Hot => true,
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
            .find(|texture| (texture.core - self.target).kelvins().abs() < TEXTURE_WITHIN)
    }

    /// How the outside should be when it comes out: as asked, or as is usual for the texture; as it comes
    /// where it is coloured after the rest.
    #[must_use]
    pub fn outside_used(&self) -> Outside {
        let usual = || {
            self.texture()
                .or_else(|| self.entry().textures.first())
                .map_or(Outside::AsItComes, |texture| {
                    Outside::of(texture.least_browning)
                })
        };
        if self.finish.colours() {
            return Outside::AsItComes;
        }
        self.outside.unwrap_or_else(usual)
    }

    /// The safety floor.
    #[must_use]
    pub fn floor(&self) -> Floor {
        let entry = self.entry();
        let floor = floor(self.region, entry.animal, entry.class, self.handling);
        if self.vulnerable {
            floor.for_the_vulnerable()
        } else {
            floor
        }
    }

    /// Whether the target lies below the floor. What comes out at a temperature of the cook's own is
    /// taken for as much hotter as the plan counts on in the rest.
    #[must_use]
    pub fn is_below_floor(&self) -> bool {
        self.floor().is_above(self.reached())
    }

    /// What the core reaches as planned, by the rest as far as that may be counted on.
    fn reached(&self) -> Temperature {
        match self.out_at {
            Some(out) if self.rest_may_complete() => {
                out + TemperatureDifference::from_kelvins(self.counted_on())
            }
            Some(out) => out,
            None => self.target,
        }
    }

    /// The floor, where the plan keeps it: it has a temperature, and that was not waived.
    #[must_use]
    pub fn floor_kept(&self) -> Option<Floor> {
        let floor = self.floor();
        (floor.core.is_some() && !self.is_below_floor()).then_some(floor)
    }

    /// Whether it rests under a tent: a roast does; a belly does not, so that its crackling stays (common
    /// practice).
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::Request};
    /// let usual = |id| Request::usual(id, PRESETS[1].machine());
    /// assert!(usual(CutId::BeefRoast).is_tented() && !usual(CutId::PorkBellySlab).is_tented());
    /// ```
    #[must_use]
    pub fn is_tented(&self) -> bool {
        self.mass.grams() >= TENTED_FROM && self.cut != CutId::PorkBellySlab
    }

    /// The most a plan counts on in the rest, K.
    #[must_use]
    pub fn counted_on(&self) -> f64 {
        if self.is_tented() {
            COUNTED_ON_ROAST
        } else {
            COUNTED_ON_SMALL
        }
    }

    /// Whether the rest may bring the meat to its floor: never poultry, and only where the cook can
    /// measure again.
    #[must_use]
    pub fn rest_may_complete(&self) -> bool {
        let rests = self.entry().rest.minutes() > 0.0;
        // A stuffing is held to what poultry is.
        let never = self.entry().animal.is_poultry()
            || matches!(self.handling, Handling::Stuffed | Handling::LeftOver);
        !never && rests && self.thermometer.there
    }

    /// Whether rest completes the target: where it may, and the pull is not the cook's own.
    #[must_use]
    pub fn rest_completes(&self) -> bool {
        self.rest_may_complete() && self.out_at.is_none()
    }

    /// How long it rests: as is usual for the cut, and no less than the guidance asks, which counts from
    /// when the core has risen to the floor.
    #[must_use]
    pub fn rest(&self) -> Interval {
        /// What a core may need for that, s.
        const TO_RISE: f64 = 120.0;
        let guidance = self.floor_kept().map_or(0.0, |floor| floor.rest.seconds());
        let needed = if guidance > 0.0 {
            guidance + TO_RISE
        } else {
            0.0
        };
        Interval::from_seconds(self.entry().rest.seconds().max(needed))
    }

    /// What happens to the meat before it goes in, with the time on the counter at its end.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, Start}, prep::Ahead, units::Interval};
    /// let mut roast = Request::usual(CutId::BeefRoast, PRESETS[1].machine());
    /// let time = Interval::from_minutes(45.0);
    /// roast.start = Start::Tempered(time);
    /// assert_eq!(roast.stages(), [Ahead::Counter(time)]);
    /// ```
    #[must_use]
    pub fn stages(&self) -> Vec<Ahead> {
        let mut stages = self.ahead.clone();
        if let Start::Tempered(time) = self.start {
            stages.push(Ahead::Counter(time));
        }
        stages
    }

    /// The method of preparation it counts with: the cook's own, or a known one, or what it says; with what is
    /// made for it by recipe, and for the way the meat is held.
    #[must_use]
    pub fn prepared(&self, own: Option<&Method>, recipes: &[Recipe]) -> Method {
        if self.handling == Handling::LeftOver {
            return left_over(self.entry()).held_in(self.support);
        }
        let stands = match self.start {
            Start::Tempered(time) => Some(time),
            Start::Fridge | Start::Frozen | Start::Measured(_) => None,
        };
        prepared(self.entry(), self.surface, &self.ahead, own, stands)
            .making(recipes)
            .held_in(self.support)
    }

    /// The sauce that it takes: brushed on as often as is planned, or for tossing.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, SauceRule}, prep::Seasoning};
    /// let mut wings = Request::usual(CutId::PartyWing, PRESETS[1].machine());
    /// wings.sauce = SauceRule::Tossed;
    /// assert_eq!(wings.sauced(), [Seasoning::Tossed]);
    /// ```
    #[must_use]
    pub fn sauced(&self) -> Vec<Seasoning> {
        let faces = |action: Action| match action {
            Action::Sauce(Looking::Both) => 1.0,
            Action::Sauce(_) => 0.5,
            _ => 0.0,
        };
        let own: f64 = self.actions.iter().map(|one| faces(one.action)).sum();
        let (brushed, tossed) = match self.sauce {
            SauceRule::None => (own, None),
            SauceRule::BeforeAndAtTurn | SauceRule::LastMinutes => (own + 1.0, None),
            SauceRule::Tossed => (own, Some(Seasoning::Tossed)),
        };
        let brushed = (brushed > 0.0).then_some(Seasoning::Brushed(brushed));
        brushed.into_iter().chain(tossed).collect()
    }

    /// The surface as it goes in, with the sugar of the cook's own glaze, as fast as it browns in this machine.
    #[must_use]
    pub fn surface_start(&self) -> SurfaceStart {
        let start = self.entry().surface_start(self.surface);
        let start = match self.sugar {
            _ if self.handling == Handling::LeftOver => start.cooked_before(),
            Some(share) if self.surface.has(Layer::Glaze) => start.sweetened(sweetness(share)),
            _ => start,
        };
        SurfaceStart {
            browning_rate: start.browning_rate * self.known.of_the_machine().browning,
            ..start
        }
    }

    /// The sugar of the sauce that is brushed on, of a glaze's.
    #[must_use]
    pub fn sauce_sweetness(&self) -> f64 {
        self.sugar.map_or(USUAL_SAUCE, sweetness)
    }

    /// Time out of the fridge right before loading.
    #[must_use]
    pub fn warming(&self) -> Interval {
        warming_before(&self.stages())
    }

    /// What the thermometer shows when a core is so hot.
    #[must_use]
    pub fn shown(&self, core: Temperature) -> Temperature {
        core + self.thermometer.offset
    }

    /// Names of the face that looks up first and of the other, where they differ.
    #[must_use]
    pub fn faces(&self) -> Option<[&'static str; 2]> {
        let [show, other] = self.entry().faces()?;
        Some(match self.first_up {
            FirstUp::Show => [show, other],
            FirstUp::Other => [other, show],
        })
    }
}
