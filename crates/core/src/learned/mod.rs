//! What a kitchen learns from its cooks: of each machine how much harder it blows and how much hotter it is than
//! its dial says and how fast faces brown in it, of each cut how thick it is bought for its weight, of the fridge how
//! cold it is.
//!
//! How fast faces brown in a machine is learned from the colours that were told, after its heat: they say nothing of
//! that ([`crate::live::Colour`]).
//!
//! Lessons ([`crate::live::Lesson`]) are likelihoods and add up, in any order, each faded by its age. A machine
//! that was swapped, or mended, says otherwise from then on: where two machines explain its cooks so much better
//! than one, only those since are its own ([`breaks`]).

mod breaks;
mod normal;

pub use breaks::alone;
pub use normal::Normal;

use crate::fryer::Calibration;
use crate::live::gauss::inverse;
use crate::live::{FRIDGE, LEARNED, Lesson, STAYS};
use crate::meat::{CutId, cut};
use crate::plan::{BROWNS, HEAT, Known, KnownCut, KnownMachine, THERMOSTAT};
use crate::units::{TemperatureDifference, bounds};

/// A lesson counts half after so many days (common practice in kind, from memory in size: baskets are coated with
/// fat, seals leak, butchers change).
const HALF_LIFE: f64 = 300.0;
/// What a machine wanders from one cook to the next all the same: its heat, as a logarithm, and its air, K.
const WANDERS: [f64; 2] = [0.02, 1.0];

/// A cook that was closed.
#[derive(Debug, Clone, PartialEq)]
pub struct Cooked {
    /// In which machine, by its name.
    pub machine: String,
    /// What.
    pub cut: CutId,
    /// How long ago, days.
    pub age: f64,
    /// What it says.
    pub lesson: Lesson,
}

/// A machine of the kitchen, as it was set by hand.
#[derive(Debug, Clone, PartialEq)]
pub struct Own {
    /// Its name.
    pub name: String,
    /// What the cook knows of it.
    pub calibration: Calibration,
}

/// What was learned of a machine.
#[derive(Debug, Clone, PartialEq)]
pub struct OfMachine {
    /// Its name.
    pub name: String,
    /// Logarithm of its heat against its kind.
    pub heat: Normal,
    /// How much hotter its air is than the dial says, K.
    pub offset: Normal,
    /// How much of the offset goes with one standard deviation of the heat, K.
    pub together: f64,
    /// Logarithm of how many times as fast faces brown in it as in its kind, beyond what its heat explains.
    pub browning: Normal,
    /// The cooks that count, by their numbers.
    pub cooks: Vec<usize>,
    /// Whether cooks before them were of another machine, as they look.
    pub is_another: bool,
    by_hand: Calibration,
}

/// What was learned of a cut.
#[derive(Debug, Clone, PartialEq)]
pub struct OfCut {
    /// Which.
    pub cut: CutId,
    /// Logarithm of how many times as thick as usual for its weight.
    pub thickness: Normal,
    /// Cooks of it.
    pub cooks: u32,
}

/// What a kitchen has learned.
#[derive(Debug, Clone, PartialEq)]
pub struct Learned {
    /// Of each machine that was cooked in.
    pub machines: Vec<OfMachine>,
    /// Of each cut that was cooked.
    pub cuts: Vec<OfCut>,
    /// How much warmer than usual the fridge is, K.
    pub fridge: Normal,
}

/// Learns from cooks.
///
/// ```
/// use ember_core::learned::{Cooked, Own, learn};
/// use ember_core::{fryer::Calibration, live::Lesson, meat::CutId};
/// // Says by itself: heat 20 % more, with a standard deviation of 10 %; nothing else.
/// let mut precision = [[0.0; 4]; 4];
/// precision[0][0] = 100.0;
/// let pull = [20.0, 0.0, 0.0, 0.0];
/// let lesson = Lesson { precision, pull, readings: 1, doubted: 0, colour: None };
/// let cook = Cooked { machine: "the drum".to_owned(), cut: CutId::PorkChop, age: 0.0, lesson };
/// let drum = Own { name: "the drum".to_owned(), calibration: Calibration::default() };
/// let learned = learn(&[drum], &[cook]);
/// // By hand: as sure as what is usual, so half of it.
/// assert!((learned.machines[0].heat.mean - 0.1).abs() < 1e-9);
/// let known = learned.known("the drum", CutId::PorkChop).machine.unwrap();
/// assert_eq!(known.words_of_heat(), "11 % harder");
/// ```
#[must_use]
pub fn learn(machines: &[Own], cooks: &[Cooked]) -> Learned {
    let cuts = known_cuts(cooks);
    let mut system = System::of(machines, &cuts);
    let mut own: Vec<(Vec<usize>, bool)> = Vec::new();
    for (number, machine) in machines.iter().enumerate() {
        let mut all: Vec<usize> = (0..cooks.len())
            .filter(|n| {
                cooks
                    .get(*n)
                    .is_some_and(|cook| cook.machine == machine.name)
            })
            .collect();
        // The oldest first.
        all.sort_by(|a, b| age(cooks, *b).total_cmp(&age(cooks, *a)));
        let since = breaks::since(machine, &all, cooks);
        for (place, cook) in all.iter().enumerate() {
            let of_this = place >= since;
            if let Some(cook) = cooks.get(*cook) {
                system.take(of_this.then_some(number), &cuts, cook);
            }
        }
        own.push((all.split_off(since), since > 0));
    }
    let found = system.solved();
    Learned {
        machines: machines
            .iter()
            .zip(own)
            .enumerate()
            .filter(|(_, (_, (cooks, _)))| !cooks.is_empty())
            .map(|(number, (machine, (counted, is_another)))| {
                let [heat, offset] = [2 * number, 2 * number + 1].map(|n| found.normal(n));
                let both = found.both(2 * number, 2 * number + 1);
                let colours = counted.iter().filter_map(|n| cooks.get(*n));
                let browning = browning(colours, [heat, offset], both);
                OfMachine {
                    name: machine.name.clone(),
                    heat: heat.wider(WANDERS[0]),
                    offset: offset.wider(WANDERS[1]),
                    together: if heat.spread > 0.0 {
                        both / heat.spread
                    } else {
                        0.0
                    },
                    browning,
                    cooks: counted,
                    is_another,
                    by_hand: machine.calibration,
                }
            })
            .collect(),
        cuts: cuts
            .iter()
            .enumerate()
            .map(|(n, (cut, cooks))| OfCut {
                cut: *cut,
                thickness: found.normal(system.cut_at(n)),
                cooks: *cooks,
            })
            .collect(),
        fridge: found.normal(system.fridge_at()),
    }
}

/// How fast faces brown in a machine of which nobody told a colour, as a logarithm.
pub const USUAL_BROWNING: Normal = Normal {
    mean: 0.0,
    // The square root of what stays of it from cook to cook.
    spread: BROWNS * std::f64::consts::FRAC_1_SQRT_2,
};

/// How fast faces brown in a machine, by the colours of its cooks, whose heat explains what it does.
fn browning<'a>(
    cooks: impl Iterator<Item = &'a Cooked>,
    [heat, offset]: [Normal; 2],
    both: f64,
) -> Normal {
    let usual = USUAL_BROWNING.spread.powi(-2);
    let (precision, pull) = cooks.fold((usual, 0.0), |(precision, pull), cook| {
        let Some(colour) = cook.lesson.colour else {
            return (precision, pull);
        };
        let [by_heat, by_offset] = colour.by_machine;
        let explained = by_heat * heat.mean + by_offset * offset.mean;
        let unsure = (by_heat * heat.spread).powi(2)
            + (by_offset * offset.spread).powi(2)
            + 2.0 * by_heat * by_offset * both;
        let weight = faded(cook.age) / (colour.noise + unsure.max(0.0));
        (
            precision + weight,
            pull + weight * (colour.says - explained),
        )
    });
    Normal {
        mean: pull / precision,
        spread: precision.sqrt().recip(),
    }
}

fn age(cooks: &[Cooked], n: usize) -> f64 {
    cooks.get(n).map_or(0.0, |cook| cook.age)
}

/// Each cut that was cooked, with how often.
fn known_cuts(cooks: &[Cooked]) -> Vec<(CutId, u32)> {
    let mut cuts: Vec<(CutId, u32)> = Vec::new();
    for cook in cooks {
        match cuts.iter_mut().find(|(cut, _)| *cut == cook.cut) {
            Some((_, count)) => *count += 1,
            None => cuts.push((cook.cut, 1)),
        }
    }
    cuts
}

/// How much of a lesson is left after so many days.
fn faded(age: f64) -> f64 {
    0.5_f64.powf(age.max(0.0) / HALF_LIFE)
}

/// What is not known of a cut as one kitchen buys it, as a logarithm.
fn thickness_spread(id: CutId) -> f64 {
    STAYS.sqrt() * cut(id).thickness.spread
}

/// The same of its fridge, K.
fn fridge_spread() -> f64 {
    STAYS.sqrt() * FRIDGE
}

/// All unknowns of a kitchen: two of each machine, one of each cut, one of the fridge.
struct System {
    machines: usize,
    cuts: usize,
    precision: Vec<Vec<f64>>,
    pull: Vec<f64>,
}

impl System {
    /// As is usual, and as was set by hand.
    fn of(machines: &[Own], cuts: &[(CutId, u32)]) -> Self {
        let mut system = Self {
            machines: machines.len(),
            cuts: cuts.len(),
            precision: Vec::new(),
            pull: Vec::new(),
        };
        let size = system.fridge_at() + 1;
        system.precision = vec![vec![0.0; size]; size];
        system.pull = vec![0.0; size];
        for (n, machine) in machines.iter().enumerate() {
            system.usual(2 * n, machine.calibration.heat.ln(), HEAT);
            system.usual(2 * n + 1, machine.calibration.offset.kelvins(), THERMOSTAT);
        }
        for (n, (id, _)) in cuts.iter().enumerate() {
            system.usual(system.cut_at(n), 0.0, thickness_spread(*id));
        }
        system.usual(system.fridge_at(), 0.0, fridge_spread());
        system
    }

    const fn cut_at(&self, n: usize) -> usize {
        2 * self.machines + n
    }

    const fn fridge_at(&self) -> usize {
        self.cut_at(self.cuts)
    }

    fn usual(&mut self, n: usize, mean: f64, spread: f64) {
        let precision = 1.0 / (spread * spread).max(f64::MIN_POSITIVE);
        self.add(n, n, precision);
        self.pulled(n, precision * mean);
    }

    fn add(&mut self, row: usize, column: usize, value: f64) {
        if let Some(entry) = self
            .precision
            .get_mut(row)
            .and_then(|row| row.get_mut(column))
        {
            *entry += value;
        }
    }

    fn pulled(&mut self, n: usize, value: f64) {
        if let Some(entry) = self.pull.get_mut(n) {
            *entry += value;
        }
    }

    /// Takes a lesson in: of a machine by its number, or of one that is no more, of which only what it says of the
    /// cut and the fridge counts.
    fn take(&mut self, machine: Option<usize>, cuts: &[(CutId, u32)], cook: &Cooked) {
        let Some(cut) = cuts.iter().position(|(id, _)| *id == cook.cut) else {
            return;
        };
        let lesson = match machine {
            Some(_) => cook.lesson.clone(),
            None => breaks::without_machine(&cook.lesson),
        };
        let left = faded(cook.age);
        let at: [Option<usize>; LEARNED] = [
            machine.map(|n| 2 * n),
            machine.map(|n| 2 * n + 1),
            Some(self.cut_at(cut)),
            Some(self.fridge_at()),
        ];
        for ((row, pull), n) in lesson.precision.iter().zip(lesson.pull).zip(at) {
            let Some(n) = n else { continue };
            self.pulled(n, left * pull);
            for (value, m) in row.iter().zip(at) {
                if let Some(m) = m {
                    self.add(n, m, left * value);
                }
            }
        }
    }

    fn solved(&self) -> Solved {
        let covariance = inverse(&self.precision).unwrap_or_default();
        let mean = covariance
            .iter()
            .map(|row| row.iter().zip(&self.pull).map(|(a, b)| a * b).sum())
            .collect();
        Solved { mean, covariance }
    }
}

struct Solved {
    mean: Vec<f64>,
    covariance: Vec<Vec<f64>>,
}

impl Solved {
    fn both(&self, row: usize, column: usize) -> f64 {
        let row = self.covariance.get(row);
        row.and_then(|row| row.get(column))
            .copied()
            .unwrap_or_default()
    }

    fn normal(&self, n: usize) -> Normal {
        Normal {
            mean: self.mean.get(n).copied().unwrap_or_default(),
            spread: self.both(n, n).max(0.0).sqrt(),
        }
    }
}

impl Learned {
    /// What a plan counts with: of a machine on top of what was set by hand, and of a cut.
    #[must_use]
    pub fn known(&self, machine: &str, id: CutId) -> Known {
        let machine = self.machines.iter().find(|one| one.name == machine);
        let known = self.cuts.iter().find(|one| one.cut == id);
        Known {
            machine: machine.map(OfMachine::known),
            cut: known.map(|one| {
                let own = (1.0 - STAYS).sqrt();
                KnownCut {
                    thickness: one.thickness.mean.exp().clamp(0.5, 2.0),
                    thickness_spread: one.thickness.wider(own * cut(id).thickness.spread).spread,
                    start: TemperatureDifference::from_kelvins(self.fridge.mean.clamp(-4.0, 16.0)),
                    start_spread: self.fridge.wider(own * FRIDGE).spread,
                    cooks: one.cooks,
                }
            }),
        }
    }
}

impl OfMachine {
    /// What the colours of one cook alone say of how fast faces brown in it; nothing where nobody told of any.
    #[must_use]
    pub fn browning_by(&self, cook: &Cooked) -> Option<Normal> {
        cook.lesson.colour?;
        let both = self.together * self.heat.spread;
        Some(browning(
            std::iter::once(cook),
            [self.heat, self.offset],
            both,
        ))
    }

    fn known(&self) -> KnownMachine {
        let by_hand = self.by_hand;
        let left = (self.offset.spread.powi(2) - self.together.powi(2)).max(0.0);
        KnownMachine {
            heat: (self.heat.mean - by_hand.heat.ln()).exp().clamp(0.5, 1.6),
            heat_spread: self.heat.spread,
            offset: TemperatureDifference::from_kelvins(
                (self.offset.mean - by_hand.offset.kelvins()).clamp(-40.0, 40.0),
            ),
            together: self.together,
            offset_spread: left.sqrt(),
            browning: (self.browning.mean.exp())
                .clamp(bounds::BROWNING_FACTOR.min, bounds::BROWNING_FACTOR.max),
            browning_spread: (self.browning).wider((1.0 - STAYS).sqrt() * BROWNS).spread,
            cooks: u32::try_from(self.cooks.len()).unwrap_or(u32::MAX),
        }
    }
}
