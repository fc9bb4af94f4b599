//! A load of equal pieces simulated through preheat, cook and rest.

use super::action::{Action, Baste, Which};
use super::cavity::{Cavity, Load, Spot};
use crate::heat::{Exchange, Facing, Piece, Surroundings, step_size};
use crate::meat::water::latent_heat;
use crate::stop::Stop;
use crate::units::Temperature;

/// Where the cook stands.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Phase {
    /// In the machine.
    Cooking,
    /// Out of it.
    Resting(Rest),
}

/// How the meat rests.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Rest {
    /// On a board or rack, open.
    Open,
    /// On a board under loose foil.
    Tented,
    /// Loosely covered on a rack in an oven that keeps food hot, at [`WARMING_OVEN`].
    Oven,
    /// In a hot pan on the hob, at [`HOT_PAN`]: not a rest, but as simple.
    Pan,
}

/// An oven that keeps food hot and does not cook it on (common practice).
pub const WARMING_OVEN: Temperature = Temperature::from_celsius(80.0);

/// A pan in which meat sears: oil shimmers and begins to smoke (common practice).
pub const HOT_PAN: Temperature = Temperature::from_celsius(230.0);
/// Contact between oiled meat and a hot pan, W/(m² K), and how freely vapour leaves between them: as on a
/// grill plate, a little less as the pan cools under the meat (from memory).
const IN_A_PAN: f64 = 400.0;
const FROM_UNDER: f64 = 0.3;
/// Convection that carries that vapour off, W/(m² K): of a fan, as on a plate.
const IN_MOVING_AIR: f64 = 58.0;

/// How long the steps are.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Pace {
    /// As verified against the exact solutions.
    Fine,
    /// Half as long again: for searches on coarse grids.
    Brisk,
    /// Nearly two and a half times as long: for the effect of one change, where both cooks run at this pace.
    Swift,
}

/// Natural convection around resting meat, W/(m² K), and how much of evaporation and radiation a
/// loose tent lets through; then of a warm oven (common practice in kind, from memory in size).
const REST_CONVECTION: [f64; 3] = [6.0, 3.5, 10.0];
const REST_EMISSIVITY: [f64; 3] = [0.9, 0.5, 0.9];
/// Vapour pressure in the open, under the tent and in the oven, Pa.
const REST_VAPOUR: [f64; 3] = [1170.0, 4000.0, 2500.0];
/// Share of the vapour that passes a loose cover in the oven (from memory). Uncovered meat would cool by its own
/// vapour.
const COVERED: f64 = 0.15;
/// Heat a wooden board takes from the face lying on it, W/(m² K): effusivity 400 W s½/(m² K) over the
/// square root of pi and the quarter of an hour of a rest (semi-infinite solid; effusivity from memory).
const BOARD: f64 = 8.0;

/// A piece thicker than this, m, changes more slowly: its steps are longer, at most by [`MOST_SLOWER`].
const THIN: f64 = 0.03;
const MOST_SLOWER: f64 = 1.6;

/// Steps after an opening, a turn or the pull are as long as this many seconds after the loading:
/// they are gentler than the first contact.
const SETTLED: f64 = 60.0;

/// Pieces that are alike and lie alike; one is computed for all of them.
#[derive(Debug, Clone)]
struct Lot {
    piece: Piece,
    count: f64,
    spot: Spot,
    last: Exchange,
    /// Heat and water that passed between one piece and its surroundings since loading.
    total: Exchange,
}

/// One batch in one cavity: pieces on one rack, or on several.
#[derive(Debug, Clone)]
pub struct Run {
    cavity: Cavity,
    room: f64,
    setting: f64,
    /// The lot that is shown, then the lots beside it.
    lots: Vec<Lot>,
    phase: Phase,
    pace: Pace,
    elapsed: f64,
    since_change: f64,
    side: Side,
    /// Sugar of the sauce that is brushed on, of a glaze's.
    sauce: f64,
    last_dt: f64,
    stop: Stop,
}

/// Sugar of a sauce of which nothing is known, of a glaze's: a fifth of it is sugar (common practice).
pub const USUAL_SAUCE: f64 = 0.5;
/// Sugar of a glaze, as a share of its weight: what the colours of a glazed surface were held against.
const GLAZE_SUGAR: f64 = 0.4;

/// Sugar as a share of a sauce's weight, over that of a glaze.
///
/// ```
/// assert_eq!(ember_model::fryer::sweetness(0.2), 0.5);
/// ```
#[must_use]
pub fn sweetness(sugar: f64) -> f64 {
    (sugar / GLAZE_SUGAR).clamp(0.0, 2.0)
}

impl Run {
    /// Heats an empty machine, and the metal in it, to its setting (°C); returns it with the
    /// seconds that took.
    ///
    /// ```
    /// use ember_model::fryer::{Cavity, MachineKind, Run};
    /// let (hot, seconds) = Run::preheat(Cavity::cold(MachineKind::Drawer, 1700.0, 21.0), 200.0);
    /// assert!(hot.air > 195.0 && (60.0..400.0).contains(&seconds));
    /// ```
    #[must_use]
    pub fn preheat(mut cavity: Cavity, setting: f64) -> (Cavity, f64) {
        const STEP: f64 = 5.0;
        const LONGEST: f64 = 1800.0;
        /// Metal this much cooler than the air is hot enough to sear, K.
        const HOT_ENOUGH: f64 = 25.0;
        let mut seconds = 0.0;
        while (cavity.air < setting - 3.0 || cavity.plate < setting - HOT_ENOUGH)
            && seconds < LONGEST
        {
            cavity.step(STEP, setting, Load::default());
            seconds += STEP;
        }
        // A short soak lets the element and the basket catch up.
        for _ in 0..12 {
            cavity.step(STEP, setting, Load::default());
            seconds += STEP;
        }
        (cavity, seconds)
    }

    /// The same with a sauce of this sweetness, as a share of a glaze's.
    #[must_use]
    pub const fn with_sauce(mut self, sweetness: f64) -> Self {
        self.sauce = sweetness;
        self
    }

    /// Puts `count` pieces like `piece` into a cavity (cold or hot). `count` may be broken: it
    /// scales the one computed piece to the weight of the load. The setting is in °C.
    #[must_use]
    pub fn load(cavity: Cavity, room: f64, setting: f64, piece: Piece, count: f64) -> Self {
        Self {
            cavity,
            room,
            setting,
            lots: vec![Lot::new(piece, count, Spot::default())],
            phase: Phase::Cooking,
            pace: Pace::Fine,
            elapsed: 0.0,
            since_change: 0.0,
            side: Side::default(),
            sauce: USUAL_SAUCE,
            last_dt: 1.0,
            stop: Stop::current(),
        }
    }

    /// Where the pieces lie; without it alone, a hand below the element.
    #[must_use]
    pub fn at(mut self, spot: Spot) -> Self {
        for lot in &mut self.lots {
            lot.spot = spot;
        }
        self
    }

    /// More pieces in the same air: on another rack, or of another kind.
    ///
    /// ```
    /// use std::sync::Arc;
    /// use ember_model::fryer::{Cavity, MachineKind, Run, Spot};
    /// use ember_model::{geometry::Body, heat::{FaceLaw, Grid, Piece}, meat::*};
    /// let entry = cut(CutId::PorkChop);
    /// let grid = Arc::new(Grid::coarse(Body::Disc { thickness: 0.025, radius: 0.05 }));
    /// let material = Arc::new(Material::of(entry.composition));
    /// let chop = Piece::new(grid, material, FaceLaw::MEAT, 4.0, entry.surface.start());
    /// let hot = Cavity::cold(MachineKind::OvenStyle, 1700.0, 21.0);
    /// let below = Spot { gap: 0.15, shade: 0.6, ..Spot::default() };
    /// let mut run = Run::load(hot, 21.0, 200.0, chop.clone(), 4.0).beside(chop, 4.0, below);
    /// run.advance_to(600.0);
    /// let cores: Vec<f64> = run.pieces().map(Piece::core).collect();
    /// assert!(cores[1] < cores[0] && run.core() == cores[1]);
    /// ```
    #[must_use]
    pub fn beside(mut self, piece: Piece, count: f64, spot: Spot) -> Self {
        self.lots.push(Lot::new(piece, count, spot));
        self
    }

    /// How long the steps are.
    #[must_use]
    pub fn with_pace(mut self, pace: Pace) -> Self {
        self.pace = pace;
        self
    }

    /// Advances to `seconds` after loading.
    pub fn advance_to(&mut self, seconds: f64) {
        while self.elapsed < seconds - 1e-9 {
            self.step(seconds - self.elapsed);
        }
    }

    /// Advances by one step, at most `limit` seconds.
    pub fn step(&mut self, limit: f64) {
        if self.stop.is_stopped() {
            // The time is counted as done, so that every loop around this ends at once. The answer is not
            // used.
            self.elapsed += limit;
            return;
        }
        let stretch = match self.pace {
            Pace::Fine => 1.0,
            Pace::Brisk => 1.5,
            Pace::Swift => 2.4,
        };
        let thickness = self.piece().grid().body.depth();
        let slower = (thickness / THIN).clamp(1.0, MOST_SLOWER);
        let dt = (step_size(self.since_change) * stretch * slower).min(limit);
        if self.phase == Phase::Cooking {
            let load = self.load_of_air();
            self.side.step(dt, self.cavity.air);
            self.cavity.step(dt, self.setting, load);
        }
        let (cavity, phase, room) = (&self.cavity, self.phase, self.room);
        for lot in &mut self.lots {
            let spot = lot.spot;
            lot.last = lot.piece.step(dt, |facing| match phase {
                Phase::Cooking => cavity.around(facing, spot),
                Phase::Resting(rest) => resting(rest, room, cavity.pressure, facing),
            });
            lot.total.add(lot.last);
        }
        self.last_dt = dt;
        self.elapsed += dt;
        self.since_change += dt;
    }

    /// What everything in the cavity does to its air.
    fn load_of_air(&self) -> Load {
        let side = self.side.heat(self.cavity.air);
        let mut load = Load {
            heat: side,
            coupling: self.side.uptake,
            // It stands beside the meat, in air that has met half of it.
            behind: 0.5 * self.side.uptake,
            water: Side::EVAPORATES * side / latent_heat(100.0),
            ..Load::default()
        };
        let mut warmth = 0.0;
        for lot in &self.lots {
            load.heat += lot.last.given * lot.count / self.last_dt;
            let [coupling, behind] = lot
                .piece
                .coupling(|facing| self.cavity.behind(facing, lot.spot));
            load.coupling += coupling * lot.count;
            load.behind += behind * lot.count;
            load.water += lot.last.water * lot.count / self.last_dt;
            let area = lot.piece.lying() * lot.count;
            load.lying[0] += area;
            warmth += area * lot.piece.lower().surface;
        }
        if self.cavity.on_metal() && load.lying[0] > 0.0 {
            load.lying[1] = warmth / load.lying[0];
        } else {
            load.lying = [0.0; 2];
        }
        load
    }

    /// The upper rack goes below.
    fn swap_racks(&mut self) {
        let levels: Vec<Spot> = self.lots.iter().rev().map(|lot| lot.spot).collect();
        for (lot, to) in self.lots.iter_mut().zip(levels) {
            lot.spot = Spot {
                exposure: lot.spot.exposure,
                ..to
            };
        }
    }

    /// Opens the machine for `seconds`; the clock does not advance, the air cools.
    pub fn open(&mut self, seconds: f64) {
        self.cavity.open(seconds);
        self.disturb();
        self.since_change = self.since_change.min(SETTLED);
    }

    /// Changes the setting, °C.
    pub fn set(&mut self, setting: f64) {
        self.setting = setting;
    }

    /// Continues for the present caller: a stored run belongs to an earlier caller, which may have stopped waiting.
    pub fn go_on(&mut self) {
        self.stop = Stop::current();
    }

    /// The same on a bed of vegetables, so thick, m, under all that lies in it.
    #[must_use]
    pub fn on_a_bed(mut self, thick: f64) -> Self {
        /// Slices with gaps, kg/m³ (from memory).
        const BED: f64 = 600.0;
        let lies = |lot: &Lot| lot.piece.lying() * lot.count;
        let area: f64 = self.lots.iter().map(lies).sum();
        self.side.add(area * thick * BED, self.room);
        self
    }

    /// Puts rested pieces back for a hot finish.
    pub fn put_back(&mut self, setting: f64) {
        self.phase = Phase::Cooking;
        self.setting = setting;
        self.disturb();
        self.since_change = 0.0;
    }

    /// Cuts this many slices of every piece.
    pub fn cut(&mut self, slice: &Piece, of_each: f64) {
        for lot in &mut self.lots {
            lot.piece = slice.clone();
            lot.count *= of_each;
        }
        self.since_change = 0.0;
    }

    /// Warms everything in it by this many kelvins.
    pub fn warm(&mut self, kelvins: f64) {
        for lot in &mut self.lots {
            lot.piece.warm(kelvins);
        }
    }

    /// Does what a cook does in the middle of a cook, all of it in one opening: the longest counts.
    ///
    /// ```
    /// use ember_model::fryer::{Action, Cavity, MachineKind, Run, Which};
    /// use ember_model::{geometry::Body, heat::{FaceLaw, Grid, Piece}, meat::*};
    /// let chop = cut(CutId::PorkChop);
    /// let grid = Grid::coarse(Body::Disc { thickness: 0.025, radius: 0.05 }).into();
    /// let material = Material::of(chop.composition).into();
    /// let chop = Piece::new(grid, material, FaceLaw::MEAT, 4.0, chop.surface.start());
    /// let hot = Cavity::cold(MachineKind::Drawer, 1700.0, 21.0);
    /// let mut once = Run::load(hot, 21.0, 200.0, chop, 4.0);
    /// once.advance_to(300.0);
    /// let mut twice = once.clone();
    /// once.perform(&[Action::Turn(Which::All), Action::Spray]);
    /// twice.perform(&[Action::Turn(Which::All)]);
    /// twice.perform(&[Action::Spray]);
    /// assert!(once.cavity().air > twice.cavity().air);
    /// ```
    pub fn perform(&mut self, actions: &[Action]) {
        let open = actions
            .iter()
            .map(|action| action.open().seconds())
            .fold(0.0, f64::max);
        if open > 0.0 && self.phase == Phase::Cooking {
            self.open(open);
        }
        for action in actions {
            self.apply(*action);
        }
    }

    fn apply(&mut self, action: Action) {
        /// A brush leaves about a tenth of a millimetre (from memory).
        const BRUSHED: f64 = 0.10;
        match action {
            Action::Set(setting) => self.set(setting.celsius()),
            Action::Turn(Which::All) => {
                for lot in &mut self.lots {
                    lot.piece.turn();
                }
            }
            Action::Sauce(on) => {
                for lot in &mut self.lots {
                    lot.piece.sauce(BRUSHED, self.sauce, on);
                }
            }
            Action::Baste(Baste::Water) => {
                for lot in &mut self.lots {
                    lot.piece.wet(BRUSHED);
                }
            }
            Action::AddSide(mass) => self.side.add(mass.kilograms(), self.room),
            Action::TakeSide => self.side = Side::default(),
            Action::SwapRacks => self.swap_racks(),
            Action::TakeOut => self.pull(Rest::Open),
            Action::PutBack => self.put_back(self.setting),
            Action::SpitStops => self.cavity.spit_turns(false),
            Action::SpitTurns => self.cavity.spit_turns(true),
            // One piece is not all pieces; a stirred side, oil and fat bring no water.
            Action::Turn(Which::One)
            | Action::Move
            | Action::Rotate
            | Action::Open(_)
            | Action::StirSide
            | Action::Spray
            | Action::Baste(Baste::Fat) => {}
        }
    }

    /// Whether the pieces are out of the machine.
    #[must_use]
    pub const fn is_out(&self) -> bool {
        matches!(self.phase, Phase::Resting(_))
    }

    /// Takes the pieces out to rest.
    pub fn pull(&mut self, rest: Rest) {
        self.phase = Phase::Resting(rest);
        self.disturb();
        self.since_change = self.since_change.min(SETTLED);
    }

    fn disturb(&mut self) {
        for lot in &mut self.lots {
            lot.piece.disturb();
        }
    }

    /// Seconds since loading.
    #[must_use]
    pub fn elapsed(&self) -> f64 {
        self.elapsed
    }

    /// The piece that is computed for the first lot.
    #[must_use]
    #[expect(
        clippy::indexing_slicing,
        reason = "a run is loaded with a piece and loses none"
    )]
    pub fn piece(&self) -> &Piece {
        &self.lots[0].piece
    }

    /// One piece of each lot.
    pub fn pieces(&self) -> impl Iterator<Item = &Piece> {
        self.lots.iter().map(|lot| &lot.piece)
    }

    /// The coldest spot of all pieces, °C.
    #[must_use]
    pub fn core(&self) -> f64 {
        self.pieces().map(Piece::core).fold(f64::INFINITY, f64::min)
    }

    /// The least that a thermometer shows in any of the pieces, °C; see [`Piece::reading`].
    #[must_use]
    pub fn reading(&self) -> f64 {
        self.pieces()
            .map(Piece::reading)
            .fold(f64::INFINITY, f64::min)
    }

    /// The machine's air and element; after the pull, as they were then.
    #[must_use]
    pub fn cavity(&self) -> &Cavity {
        &self.cavity
    }

    /// Air beside the meat, °C: the kitchen's after the pull.
    #[must_use]
    pub fn air(&self) -> f64 {
        match self.phase {
            Phase::Cooking => {
                let spot = self.lots.first().map(|lot| lot.spot).unwrap_or_default();
                self.cavity.around(Facing::Side, spot).air
            }
            Phase::Resting(_) => self.room,
        }
    }

    /// Water the whole load has lost, kg.
    #[must_use]
    pub fn water_lost(&self) -> f64 {
        self.lots
            .iter()
            .map(|lot| lot.total.water * lot.count)
            .sum()
    }

    /// Juice and fat that have run off the whole load, kg.
    #[must_use]
    pub fn dripped(&self) -> [f64; 2] {
        self.lots.iter().fold([0.0; 2], |[juice, fat], lot| {
            [
                juice + lot.total.dripped * lot.count,
                fat + lot.total.rendered * lot.count,
            ]
        })
    }

    /// Heat and water that passed between one piece and its surroundings since loading.
    #[must_use]
    pub fn exchanged(&self) -> Exchange {
        self.lots.first().map(|lot| lot.total).unwrap_or_default()
    }
}

impl Lot {
    fn new(piece: Piece, count: f64, spot: Spot) -> Self {
        Self {
            piece,
            count,
            spot,
            last: Exchange::default(),
            total: Exchange::default(),
        }
    }
}

/// Another dish in the same machine: it takes heat and gives none to the meat.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
struct Side {
    /// Heat capacity, J/K.
    capacity: f64,
    /// Heat it takes from the air, W/K.
    uptake: f64,
    celsius: f64,
}

impl Side {
    /// Heat capacity of vegetables, J/(kg K), and the surface of a kilogram in pieces, m²/kg
    /// (from memory: potatoes in 3 cm pieces).
    const SPECIFIC_HEAT: f64 = 3600.0;
    const SURFACE: f64 = 0.15;
    /// Share of its heat that evaporates water (from memory).
    const EVAPORATES: f64 = 0.5;

    /// More of it, as warm as the kitchen.
    fn add(&mut self, kilograms: f64, celsius: f64) {
        let capacity = kilograms * Self::SPECIFIC_HEAT;
        let both = self.capacity + capacity;
        if both > 0.0 {
            self.celsius = (self.capacity * self.celsius + capacity * celsius) / both;
        }
        self.capacity = both;
        self.uptake += kilograms * Self::SURFACE * ON_A_SIDE;
    }

    /// Watts taken from air of a temperature; evaporation holds its surface below boiling.
    fn heat(&self, air: f64) -> f64 {
        self.uptake * (air - self.celsius.min(95.0)).max(0.0)
    }

    fn step(&mut self, dt: f64, air: f64) {
        if self.capacity > 0.0 {
            let rate = (1.0 - Self::EVAPORATES) * self.uptake / self.capacity;
            self.celsius += (air.min(100.0) - self.celsius) * (1.0 - (-rate * dt).exp());
        }
    }
}

/// Heat transfer to a side dish, convection with some radiation, W/(m² K).
const ON_A_SIDE: f64 = 60.0;

/// The surroundings of a patch of resting meat in a kitchen of `room` °C under a pressure, Pa.
#[must_use]
pub fn resting(rest: Rest, room: f64, pressure: f64, facing: Facing) -> Surroundings {
    let pick = |[open, tented, oven]: [f64; 3]| match rest {
        Rest::Open | Rest::Pan => open,
        Rest::Tented => tented,
        Rest::Oven => oven,
    };
    let room = if rest == Rest::Oven {
        WARMING_OVEN.celsius()
    } else {
        room
    };
    let lying = match facing {
        // On the rack of the oven air passes below.
        Facing::Vertical(up) if rest != Rest::Oven => 1.0 - up,
        Facing::Vertical(_) | Facing::Side | Facing::Cavity => 0.0,
    };
    if rest == Rest::Pan && lying > 0.0 {
        return in_a_pan(room, pressure, lying);
    }
    // Inside a bird the air stands still and moist.
    let still = if facing == Facing::Cavity { 0.05 } else { 1.0 };
    Surroundings {
        air: room,
        radiant: room,
        convection: still * pick(REST_CONVECTION) * (1.0 - lying) + BOARD * lying,
        emissivity: still * pick(REST_EMISSIVITY) * (1.0 - lying),
        vapour: pick(REST_VAPOUR),
        open: still * (1.0 - lying) * if rest == Rest::Oven { COVERED } else { 1.0 },
        pressure,
    }
}

/// What lies in a hot pan meets metal below; the rest of a face that curves up meets the kitchen.
fn in_a_pan(room: f64, pressure: f64, lying: f64) -> Surroundings {
    let [open, ..] = REST_CONVECTION;
    let contact = IN_A_PAN * lying;
    let free = open * (1.0 - lying);
    let all = contact + free;
    Surroundings {
        air: (contact * HOT_PAN.celsius() + free * room) / all,
        radiant: room,
        convection: all,
        emissivity: REST_EMISSIVITY[0] * (1.0 - lying),
        vapour: REST_VAPOUR[0],
        // Vapour leaves as it does in moving air, not by contact.
        open: (free + FROM_UNDER * IN_MOVING_AIR * lying) / all,
        pressure,
    }
}
