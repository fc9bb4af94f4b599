//! A load of equal pieces marching through preheat, cook and rest.

use super::cavity::Cavity;
use super::machine::Machine;
use crate::heat::{Exchange, Facing, Piece, Surroundings, step_size};

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
}

/// How long the steps are.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Pace {
    /// As verified against the exact solutions.
    Fine,
    /// Twice as long: for searches on coarse grids.
    Brisk,
}

/// Natural convection around resting meat, W/(m² K), and how much of evaporation and radiation a
/// loose tent lets through (common practice in kind, from memory in size).
const REST_CONVECTION: [f64; 2] = [8.0, 4.5];
const REST_EMISSIVITY: [f64; 2] = [0.9, 0.5];
/// Vapour pressure in the open and under the tent, Pa.
const REST_VAPOUR: [f64; 2] = [1170.0, 4000.0];
/// Heat a wooden board takes from the face lying on it, W/(m² K): effusivity 400 W s½/(m² K) over
/// the square root of pi and five minutes (semi-infinite solid; effusivity from memory).
const BOARD: f64 = 13.0;

/// Steps after an opening, a turn or the pull are as long as this many seconds after the loading:
/// they are gentler than the first contact.
const SETTLED: f64 = 60.0;

/// One batch in one machine: all pieces are alike and one stands for all.
#[derive(Debug, Clone)]
pub struct Run {
    cavity: Cavity,
    room: f64,
    setting: f64,
    piece: Piece,
    count: f64,
    exposure: f64,
    phase: Phase,
    pace: Pace,
    elapsed: f64,
    since_change: f64,
    water: f64,
    last: Exchange,
    last_dt: f64,
}

impl Run {
    /// Heats the empty machine to its setting; returns it with the seconds that took.
    ///
    /// ```
    /// use ember_core::fryer::{PRESETS, Run};
    /// let (hot, seconds) = Run::preheat(&PRESETS[1].machine(), 200.0, 21.0);
    /// assert!(hot.air > 195.0 && (60.0..400.0).contains(&seconds));
    /// ```
    #[must_use]
    pub fn preheat(machine: &Machine, setting: f64, room: f64) -> (Cavity, f64) {
        const STEP: f64 = 5.0;
        const LONGEST: f64 = 1800.0;
        let mut cavity = Cavity::cold(machine.kind, machine.power.watts(), room);
        let mut seconds = 0.0;
        while cavity.air < setting - 3.0 && seconds < LONGEST {
            cavity.step(STEP, setting, 0.0, 0.0, 0.0);
            seconds += STEP;
        }
        // A short soak lets the element and the basket catch up.
        for _ in 0..12 {
            cavity.step(STEP, setting, 0.0, 0.0, 0.0);
            seconds += STEP;
        }
        (cavity, seconds)
    }

    /// Puts `count` pieces like `piece` into a cavity (cold or hot). `count` may be broken: it
    /// scales the one computed piece to the weight of the load. The setting is in °C.
    #[must_use]
    pub fn load(cavity: Cavity, room: f64, setting: f64, piece: Piece, count: f64) -> Self {
        Self {
            cavity,
            room,
            setting,
            piece,
            count,
            exposure: 1.0,
            phase: Phase::Cooking,
            pace: Pace::Fine,
            elapsed: 0.0,
            since_change: 0.0,
            water: 0.0,
            last: Exchange::default(),
            last_dt: 1.0,
        }
    }

    /// How freely the air reaches the pieces; 1 in one airy layer.
    #[must_use]
    pub fn with_exposure(mut self, exposure: f64) -> Self {
        self.exposure = exposure;
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
        let stretch = match self.pace {
            Pace::Fine => 1.0,
            Pace::Brisk => 2.0,
        };
        let dt = (step_size(self.since_change) * stretch).min(limit);
        let exchange = match self.phase {
            Phase::Cooking => {
                let given = self.last.given * self.count / self.last_dt;
                let water = self.last.water * self.count / self.last_dt;
                let coupling = self.piece.area() * self.count * COUPLING * self.exposure;
                self.cavity.step(dt, self.setting, given, coupling, water);
                let (cavity, exposure) = (&self.cavity, self.exposure);
                self.piece
                    .step(dt, |facing| cavity.around(facing, exposure))
            }
            Phase::Resting(rest) => {
                let room = self.room;
                self.piece.step(dt, |facing| resting(rest, room, facing))
            }
        };
        self.water += exchange.water * self.count;
        self.last = exchange;
        self.last_dt = dt;
        self.elapsed += dt;
        self.since_change += dt;
    }

    /// Opens the machine for `seconds` and turns every piece.
    pub fn turn(&mut self, seconds: f64) {
        self.open(seconds);
        self.piece.turn();
    }

    /// Opens the machine for `seconds`; the clock does not advance, the air cools.
    pub fn open(&mut self, seconds: f64) {
        self.cavity.open(seconds);
        self.piece.disturb();
        self.since_change = self.since_change.min(SETTLED);
    }

    /// Changes the setting, °C.
    pub fn set(&mut self, setting: f64) {
        self.setting = setting;
    }

    /// Takes the pieces out to rest.
    pub fn pull(&mut self, rest: Rest) {
        self.phase = Phase::Resting(rest);
        self.piece.disturb();
        self.since_change = self.since_change.min(SETTLED);
    }

    /// Seconds since loading.
    #[must_use]
    pub fn elapsed(&self) -> f64 {
        self.elapsed
    }

    /// The piece.
    #[must_use]
    pub fn piece(&self) -> &Piece {
        &self.piece
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
            Phase::Cooking => self.cavity.around(Facing::Side, self.exposure).air,
            Phase::Resting(_) => self.room,
        }
    }

    /// Water the whole load has lost, kg.
    #[must_use]
    pub fn water_lost(&self) -> f64 {
        self.water
    }
}

/// Convection with some radiation, W/(m² K), as far as the air's step must know it.
const COUPLING: f64 = 60.0;

fn resting(rest: Rest, room: f64, facing: Facing) -> Surroundings {
    let pick = |[open, tented]: [f64; 2]| match rest {
        Rest::Open => open,
        Rest::Tented => tented,
    };
    let lying = match facing {
        Facing::Vertical(up) => 1.0 - up,
        Facing::Side => 0.0,
    };
    Surroundings {
        air: room,
        radiant: room,
        convection: pick(REST_CONVECTION) * (1.0 - lying) + BOARD * lying,
        emissivity: pick(REST_EMISSIVITY) * (1.0 - lying),
        vapour: pick(REST_VAPOUR),
    }
}
