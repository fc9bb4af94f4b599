//! Plays the moves of a learner on the hidden piece.

use super::exercise::{Exercise, Lot};
use super::hidden::{Dice, variations};
use crate::fryer::{Action, Cavity, OPENING, Pace, Run, Which};
use crate::heat::Looking;
use crate::meat::Browning;
use crate::plan::cook::{Problem, Recorder, Resolution, Variation};
use crate::plan::{DEPTHS, Picture, PlanError, PreheatRule, Request};
use crate::units::{Interval, Temperature};

/// Where the tip of the thermometer is put.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Place {
    /// In the middle of the thickest part.
    Thickest,
    /// Deep, against the bone.
    AgainstTheBone,
    /// Just under the surface.
    Shallow,
}

/// Something the learner does.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Move {
    /// The next lot goes in, or all that cook together.
    Load {
        /// Into a machine that was made hot before.
        preheated: bool,
        /// With space between, where that can be chosen.
        with_space: bool,
    },
    /// Everything in the machine is turned.
    Turn,
    /// Sauce on all of it.
    Sauce,
    /// The thermometer, in a piece of a lot.
    Read {
        /// Which lot.
        lot: usize,
        /// Where.
        place: Place,
    },
    /// A look at the colours.
    Look,
    /// A lot comes out.
    Out {
        /// Which.
        lot: usize,
    },
    /// On the table.
    Serve,
}

/// A move with its time, s since the exercise began.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Made {
    /// When.
    pub at: f64,
    /// What.
    pub what: Move,
}

/// What the learner sees by a move.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Seen {
    /// Nothing to see.
    Done,
    /// It cannot be done now.
    Not,
    /// What the thermometer shows.
    Reading(Temperature),
    /// Colours of the pieces in the machine: the face that looks up.
    Colour(Browning),
}

/// A lot as it stands after the moves.
#[derive(Debug, Clone, PartialEq)]
pub struct Served {
    /// Which.
    pub name: &'static str,
    /// When it went in and came out, s since the exercise began.
    pub loaded: f64,
    /// Absent while it is in.
    pub out: Option<f64>,
    /// The coldest spot when it came out, and the highest since.
    pub core: Temperature,
    /// See [`Self::core`].
    pub peak: Temperature,
    /// Colours: the face that looks up, and the one below.
    pub faces: [Browning; 2],
    /// Share of the weight lost as water.
    pub water: f64,
    /// The field from loading to now.
    pub picture: Picture,
}

/// What came of the moves.
#[derive(Debug, Clone, PartialEq)]
pub struct Result {
    /// The findings, one for each move.
    pub seen: Vec<Seen>,
    /// The coldest spot at each reading: not for the learner's eyes until it is over.
    pub really: Vec<Option<Temperature>>,
    /// The lots that went in, in order.
    pub lots: Vec<Served>,
    /// What the first preheating took, s.
    pub preheat: f64,
    /// How many lots there are.
    pub of: usize,
    /// When it was served, s since the exercise began.
    pub served: Option<f64>,
}

/// Times for which the machine is open for a reading and for a look, s (common practice).
const READING: f64 = 20.0;
const LOOKING: f64 = 10.0;
/// Error of the thermometer, K.
const NOISE: f64 = 0.7;
/// How deep a tip is that is not in the middle, as a share of the thickness. Against a bone it shows about as much:
/// a bone carries heat in from its ends (common practice).
const SHALLOW: f64 = 0.27;

/// A lot in the machine, or out of it.
struct Playing {
    lot: usize,
    loaded: f64,
    run: Run,
    recorder: Recorder,
    out: Option<f64>,
    core_out: f64,
    peak: f64,
}

/// Plays moves in their order, until the last of them.
///
/// ```
/// use ember_core::practice::{Exercise, Made, Move, Place, Seen, play};
/// let load = Made { at: 0.0, what: Move::Load { preheated: false, with_space: true } };
/// let read = |at| Made { at, what: Move::Read { lot: 0, place: Place::Thickest } };
/// let played = play(Exercise::CarryOver, 7, &[load, read(300.0), read(900.0)]).unwrap();
/// let [_, Seen::Reading(early), Seen::Reading(late)] = played.seen[..] else { panic!() };
/// assert!(late > early);
/// // What is not in cannot be read.
/// let played = play(Exercise::CarryOver, 7, &[read(1.0)]).unwrap();
/// assert_eq!(played.seen, [Seen::Not]);
/// ```
///
/// # Errors
/// Those of a plan; none for the exercises there are.
pub fn play(
    exercise: Exercise,
    seed: u64,
    moves: &[Made],
) -> std::result::Result<Result, PlanError> {
    let with_space = moves.iter().find_map(|made| match made.what {
        Move::Load { with_space, .. } => Some(with_space || !exercise.may_crowd()),
        _ => None,
    });
    let lots = exercise.lots(with_space.unwrap_or(true));
    let preheated = moves
        .iter()
        .find_map(|made| match made.what {
            Move::Load { preheated, .. } => Some(preheated),
            _ => None,
        })
        .unwrap_or(false);
    let requests: Vec<Request> = lots
        .iter()
        .map(|lot| Request {
            preheat: if preheated {
                PreheatRule::Always
            } else {
                PreheatRule::Never
            },
            ..lot.request.clone()
        })
        .collect();
    for request in &requests {
        request.check()?;
    }
    let problems: Vec<Problem> = requests.iter().map(Problem::new).collect();
    let mut table = Table {
        exercise,
        variations: variations(exercise, &lots, seed),
        preheat: problems
            .first()
            .filter(|problem| problem.preheated)
            .map_or(0.0, |problem| problem.preheat_time().seconds()),
        lots: &lots,
        problems: &problems,
        playing: Vec::new(),
        dice: Dice(seed.rotate_left(17)),
        served: None,
    };
    let (mut seen, mut really) = (Vec::new(), Vec::new());
    for made in moves {
        table.advance(made.at);
        really.push(table.coldest(made.what));
        seen.push(table.make(*made).unwrap_or(Seen::Not));
    }
    Ok(Result {
        seen,
        really,
        preheat: table.preheat,
        of: lots.len(),
        served: table.served,
        lots: table.playing.iter().map(|one| table.stands(one)).collect(),
    })
}

struct Table<'a> {
    exercise: Exercise,
    lots: &'a [Lot],
    problems: &'a [Problem<'a>],
    variations: Vec<Variation>,
    playing: Vec<Playing>,
    preheat: f64,
    dice: Dice,
    served: Option<f64>,
}

impl Table<'_> {
    fn advance(&mut self, to: f64) {
        for one in &mut self.playing {
            while one.run.elapsed() < to - one.loaded - 1e-9 {
                let limit = to - one.loaded - one.run.elapsed();
                one.run.step(limit);
                one.recorder.see(&one.run);
                if one.out.is_some() {
                    one.peak = one.peak.max(one.run.piece().core());
                }
            }
        }
    }

    /// The finding of a move; `None` where it cannot be made now.
    fn make(&mut self, made: Made) -> Option<Seen> {
        if self.served.is_some() {
            return None;
        }
        match made.what {
            Move::Load { .. } => self.load(made.at),
            Move::Turn => self.all_in(&[Action::Turn(Which::All)]),
            Move::Sauce if self.exercise.has_sauce() => {
                self.all_in(&[Action::Sauce(Looking::Both)])
            }
            Move::Sauce => None,
            Move::Look => {
                let colour = self.inside().map(|one| one.run.piece().upper().browning);
                let palest = colour.reduce(f64::min)?;
                self.all_in(&[Action::Open(Interval::from_seconds(LOOKING))])?;
                Some(Seen::Colour(Browning::of(palest)))
            }
            Move::Read { lot, place } => self.read(lot, place),
            Move::Out { lot } => {
                let rest = self.problems.get(lot)?.rest();
                let one = self
                    .playing
                    .iter_mut()
                    .find(|one| one.lot == lot && one.out.is_none())?;
                one.core_out = one.run.piece().core();
                one.peak = one.core_out;
                one.run.pull(rest);
                one.out = Some(made.at);
                // Whoever reaches in for one opens it for the others.
                let _ = self.all_in(&[Action::Open(Interval::from_seconds(OPENING))]);
                Some(Seen::Done)
            }
            Move::Serve => {
                let all = self.playing.len() == self.lots.len();
                let out = self.playing.iter().all(|one| one.out.is_some());
                (all && out).then(|| {
                    self.served = Some(made.at);
                    Seen::Done
                })
            }
        }
    }

    fn inside(&self) -> impl Iterator<Item = &Playing> {
        self.playing.iter().filter(|one| one.out.is_none())
    }

    fn all_in(&mut self, actions: &[Action]) -> Option<Seen> {
        let mut any = None;
        for one in self.playing.iter_mut().filter(|one| one.out.is_none()) {
            one.run.perform(actions);
            any = Some(Seen::Done);
        }
        any
    }

    fn load(&mut self, at: f64) -> Option<Seen> {
        if self.inside().next().is_some() {
            return None;
        }
        let next = self.playing.len();
        let last = if self.exercise.is_together() {
            self.lots.len()
        } else {
            next + 1
        };
        if next >= self.lots.len() {
            return None;
        }
        for lot in next..last {
            let problem = self.problems.get(lot)?;
            let cavity = match self.playing.last().filter(|_| !self.exercise.is_together()) {
                Some(before) => problem.next_cavity(&before.run),
                None => problem.first_cavity(),
            };
            let run = self.run(lot, problem, cavity)?;
            /// Usual length of the picture of a cook with its rest, s.
            const DRAWN: f64 = 3600.0;
            let mut recorder = Recorder::new(problem, DRAWN);
            recorder.see(&run);
            let core = run.piece().core();
            self.playing.push(Playing {
                lot,
                loaded: at,
                run,
                recorder,
                out: None,
                core_out: core,
                peak: core,
            });
        }
        Some(Seen::Done)
    }

    fn run(&self, lot: usize, problem: &Problem, cavity: Cavity) -> Option<Run> {
        let variation = *self.variations.get(lot)?;
        let mut run = problem
            .load(cavity, problem.first(), Resolution::Coarse, variation)
            .with_pace(Pace::Swift);
        if self.exercise.is_together() {
            for (_, other) in self.problems.iter().enumerate().filter(|(n, _)| *n != lot) {
                for tray in other.first() {
                    run = other.beside(run, tray, Resolution::Coarse);
                }
            }
        }
        Some(run)
    }

    fn read(&mut self, lot: usize, place: Place) -> Option<Seen> {
        let noise = NOISE * self.dice.normal();
        let one = self.playing.iter_mut().find(|one| one.lot == lot)?;
        let mut profile = Vec::with_capacity(DEPTHS);
        one.run.piece().profile(DEPTHS, &mut profile);
        let shallow = profile.get((SHALLOW * DEPTHS as f64) as usize).copied()?;
        let celsius = match place {
            Place::Thickest => one.run.piece().reading(),
            Place::AgainstTheBone | Place::Shallow => shallow,
        };
        if one.out.is_none() {
            let open = Action::Open(Interval::from_seconds(READING));
            self.all_in(&[open])?;
        }
        Some(Seen::Reading(Temperature::from_celsius(celsius + noise)))
    }

    /// The coldest spot of a lot that is read.
    fn coldest(&self, what: Move) -> Option<Temperature> {
        let Move::Read { lot, .. } = what else {
            return None;
        };
        let one = self.playing.iter().find(|one| one.lot == lot)?;
        Some(Temperature::from_celsius(one.run.piece().core()))
    }

    fn stands(&self, one: &Playing) -> Served {
        let piece = one.run.piece();
        let mass = self
            .problems
            .get(one.lot)
            .map_or(1.0, |problem| problem.mass_on(problem.first()));
        Served {
            name: self.lots.get(one.lot).map_or("", |lot| lot.name),
            loaded: one.loaded,
            out: one.out,
            core: Temperature::from_celsius(one.core_out),
            peak: Temperature::from_celsius(one.peak),
            faces: [piece.upper(), piece.lower()].map(|face| Browning::of(face.browning)),
            water: one.run.water_lost() / mass.max(1e-6),
            picture: one.recorder.clone().into_picture(),
        }
    }
}
