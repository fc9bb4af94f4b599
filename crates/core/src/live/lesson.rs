//! What a cook says of its machine and of the cut as this kitchen buys it: the likelihood of what was seen, as a
//! precision and a pull on the unknowns that stay from one cook to the next. What belongs to this cook alone (the
//! piece, the air between the pieces, a delay, what the model does not know) is integrated out, so that the
//! lessons of several cooks simply add up, in any order.

use super::colour::{self, Colour, Shade};
use super::estimate::{Computed, DOUBTED};
use super::facts::Facts;
use super::gauss::{dot, inverse};
use super::kept::Kept;
use super::planned::Planned;
use super::process::{Observed, Quantity, of_the_model};
use super::seen::measured;
use super::told::Told;
use crate::plan::cook::{Problem, Variation};
use crate::plan::{Request, Start, Unknown};

/// The unknowns that are learned: the logarithm of the machine's heat against its kind, how much hotter its air is
/// than the dial, K, the logarithm of how many times as thick as usual the cut is, how much warmer than usual it
/// comes out of the fridge, K.
pub const LEARNED: usize = 4;

/// How a cook was found when it was closed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub struct Found {
    /// The inside, from 1, raw, over 3, just right, to 5, dry.
    pub inside: Option<u8>,
    /// The outside against the plan.
    pub colour: Option<Shade>,
}

/// What one cook says.
#[derive(Debug, Clone, PartialEq)]
pub struct Lesson {
    /// Inverse of a covariance, row by row.
    pub precision: [[f64; LEARNED]; LEARNED],
    /// That times the value it speaks for.
    pub pull: [f64; LEARNED],
    /// Readings that were believed.
    pub readings: usize,
    /// Readings that were not.
    pub doubted: usize,
    /// What its colours say; nothing where nobody told of any.
    pub colour: Option<Colour>,
}

/// How the inside was found is worth so many kelvins a step, and is as far from it by chance (common practice in
/// kind, from memory in size).
const A_STEP: f64 = 4.0;
const BY_TASTE: f64 = 9.0;
/// Of the delay that an estimate allows for, so much is a cook's own, half a minute between the loading and the tap;
/// what is longer is a machine that warms up slowly, and shows as its heat (from memory).
const LATE: f64 = 0.25;
/// Half of what is not known of a thickness or of a fridge stays from cook to cook, the other half is this
/// piece's and this day's (from memory); so it is with what the model itself does not know, which stays with the
/// machine and the cut as well, and is learned as theirs.
pub const STAYS: f64 = 0.5;
/// Of a fridge, K.
pub const FRIDGE: f64 = 2.0;

/// What a cook says that was closed: by its readings and its colours, and weakly by how it was found. Nothing where
/// none of it says anything.
///
/// ```
/// use ember_core::live::{Found, Planned, PlannedStep, Told, What, lesson};
/// use ember_core::units::Temperature;
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
/// let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
/// let plan = plan(&request).unwrap();
/// let steps = PlannedStep::all(&plan);
/// let planned = Planned::of(&request, &plan, &steps);
/// let told = |id, at, what| Told { id, at, batch: None, what };
/// let cold = Temperature::from_celsius(plan.picture.core_at(15.0) - 10.0);
/// let cook = [told(1, 0.0, What::Done(0)), told(2, 900.0, What::Reading(cold))];
/// let nobody = Found::default();
/// let slow = lesson(planned, 0.0, &cook, nobody).unwrap();
/// // Colder than planned: a weaker machine, or a thicker piece.
/// assert!(slow.pull[0] < 0.0 && slow.pull[2] > 0.0);
/// assert_eq!(slow.readings, 1);
/// assert!(lesson(planned, 0.0, &cook[..1], nobody).is_none());
/// ```
#[must_use]
pub fn lesson(planned: Planned, started: f64, told: &[Told], found: Found) -> Option<Lesson> {
    let facts = Facts::of(planned, started, told);
    let problem = Problem::new(planned.request);
    let computed = Computed::along(planned, &facts, &problem, &mut Kept::default())?;
    let measured = measured(&facts, &|n| computed.of(n), computed.goal.core, None);
    let weights = measured.posterior()?.weights;
    let is_reading = measured.used.len();
    let believed = |n: usize| weights.get(n).is_some_and(|weight| *weight >= DOUBTED);
    let mut seen: Vec<Observed> = Vec::new();
    let (mut readings, mut doubted) = (0, 0);
    for (n, one) in measured.seen().iter().enumerate() {
        // Nothing is learned from what is not believed.
        if believed(n) {
            seen.push(one.clone());
        }
        if n < is_reading {
            readings += usize::from(believed(n));
            doubted += usize::from(!believed(n));
        }
    }
    let inside = found.inside;
    seen.extend(inside.and_then(|word| tasted(&computed, &facts, planned, word)));
    let units = Units::of(planned.request);
    let colour = colour::Seen {
        planned,
        problem: &problem,
        started,
        told,
        facts: &facts,
        computed: &computed,
    }
    .said(found.colour, &units);
    if seen.is_empty() && colour.is_none() {
        return None;
    }
    let (precision, pull) = marginal(&units, planned.request, &seen)?;
    Some(Lesson {
        precision,
        pull,
        readings,
        doubted,
        colour,
    })
}

/// The inside as it was found, as a weak reading when it came out.
fn tasted(computed: &Computed, facts: &Facts, planned: Planned, word: u8) -> Option<Observed> {
    let batch = facts.batch(computed.number)?;
    let at = batch.out? - batch.loaded?;
    let quantity = computed.curves.core(at)?;
    let goal = facts.aim.unwrap_or(planned.inside).celsius();
    Some(Observed {
        value: goal + A_STEP * (f64::from(word) - 3.0),
        noise: BY_TASTE * BY_TASTE,
        quantity,
    })
}

type Matrix = [[f64; LEARNED]; LEARNED];

/// The likelihood of what was seen over what is learned, all else integrated out.
fn marginal(
    units: &Units,
    request: &Request,
    seen: &[Observed],
) -> Option<(Matrix, [f64; LEARNED])> {
    let responses: Vec<[f64; LEARNED]> = (seen.iter())
        .map(|one| units.of_learned(&one.quantity))
        .collect();
    let own: Vec<Vec<f64>> = seen.iter().map(|one| units.of_this_cook(one)).collect();
    let covariance: Vec<Vec<f64>> = (0..seen.len())
        .map(|i| {
            (0..seen.len())
                .filter_map(|j| {
                    let (a, b) = (seen.get(i)?, seen.get(j)?);
                    let noise = if i == j { a.noise } else { 0.0 };
                    let alone = dot(own.get(i)?, own.get(j)?);
                    Some(alone + (1.0 - STAYS) * of_the_model(&a.quantity, &b.quantity) + noise)
                })
                .collect()
        })
        .collect();
    let inverse = inverse(&covariance)?;
    let apart: Vec<f64> = seen
        .iter()
        .zip(&responses)
        .map(|(one, response)| one.value - one.quantity.mean + dot(response, &units.base))
        .collect();
    let mut precision = [[0.0; LEARNED]; LEARNED];
    let mut pull = [0.0; LEARNED];
    for ((row, own), apart) in inverse.iter().zip(&responses).zip(&apart) {
        let mut solved = [0.0; LEARNED];
        for (weight, response) in row.iter().zip(&responses) {
            add(&mut solved, response, *weight);
        }
        add(&mut pull, &solved, *apart);
        for (row, own) in precision.iter_mut().zip(own) {
            add(row, &solved, *own);
        }
    }
    if !seen.is_empty() {
        units.measured(request, &mut precision, &mut pull);
    }
    Some((precision, pull))
}

/// Adds so many times a row.
fn add(into: &mut [f64; LEARNED], row: &[f64; LEARNED], times: f64) {
    for (value, one) in into.iter_mut().zip(row) {
        *value += times * one;
    }
}

/// How the standard deviations of a cook translate into what is learned.
pub(super) struct Units {
    /// Heat, setting by heat, setting: what one deviation of the machine's two unknowns is.
    machine: [f64; 3],
    /// Logarithm of thickness and kelvins of the start for one deviation; nought where that is not learned.
    thickness: f64,
    start: f64,
    /// Where this cook was computed.
    base: [f64; LEARNED],
    /// What is this piece's alone, in the units of what is learned.
    alone: [f64; 2],
    /// What one deviation is in the same units, learned or not.
    all: [f64; 2],
}

impl Units {
    fn of(request: &Request) -> Self {
        let varied = |unknown: Unknown| -> Variation { unknown.varied(request, 1.0) };
        let (heat, setting) = (varied(Unknown::MachineHeat), varied(Unknown::Thermostat));
        let thick = varied(Unknown::Thickness).thickness.ln();
        let start = varied(Unknown::Start).start;
        let calibration = request.machine.calibration;
        let known = request.known;
        let machine = known.of_the_machine();
        let guessed = request.thickness.is_none();
        let from_fridge = matches!(request.start, Start::Fridge | Start::Tempered(_));
        let share = (1.0 - STAYS).sqrt();
        Self {
            machine: [heat.heat.ln(), heat.setting, setting.setting],
            thickness: if guessed { thick } else { 0.0 },
            start: if from_fridge { start } else { 0.0 },
            base: [
                (calibration.heat * machine.heat).ln(),
                calibration.offset.kelvins() + machine.offset.kelvins(),
                if guessed {
                    known.cut.map_or(0.0, |one| one.thickness.ln())
                } else {
                    0.0
                },
                if from_fridge {
                    known.cut.map_or(0.0, |one| one.start.kelvins())
                } else {
                    0.0
                },
            ],
            alone: [
                if guessed {
                    share * request.entry().thickness.spread
                } else {
                    thick.abs()
                },
                if from_fridge {
                    share * FRIDGE
                } else {
                    start.abs()
                },
            ],
            all: [thick, start],
        }
    }

    /// A quantity, by each of what is learned.
    fn of_learned(&self, quantity: &Quantity) -> [f64; LEARNED] {
        let response = |n: usize| quantity.responses.get(n).copied().unwrap_or(0.0);
        let per = |value: f64, unit: f64| if unit.abs() > 1e-9 { value / unit } else { 0.0 };
        let [heat, with, setting] = self.machine;
        let offset = per(response(3), setting);
        [
            per(response(2) - with * offset, heat),
            offset,
            per(response(0), self.thickness),
            per(response(1), self.start),
        ]
    }

    /// The same by what is learned of a machine's heat: of its logarithm, and of a kelvin of its offset.
    pub(super) fn of_machine(&self, quantity: &Quantity) -> [f64; 2] {
        let [heat, offset, ..] = self.of_learned(quantity);
        [heat, offset]
    }

    /// The machine this cook was computed in, in what is learned of its heat.
    pub(super) const fn machine_was(&self) -> [f64; 2] {
        let [heat, offset, ..] = self.base;
        [heat, offset]
    }

    /// What is this cook's alone: its piece, its start, the air between the pieces, a delay.
    fn of_this_cook(&self, one: &Observed) -> Vec<f64> {
        let response = |n: usize| one.quantity.responses.get(n).copied().unwrap_or(0.0);
        let [thick, start] = self.all;
        let [own_thick, own_start] = self.alone;
        let scaled = |value: f64, unit: f64, own: f64| {
            if unit.abs() > 1e-9 {
                value * own / unit.abs()
            } else {
                0.0
            }
        };
        vec![
            scaled(response(0), thick, own_thick),
            scaled(response(1), start, own_start),
            response(4),
            LATE * response(5),
        ]
    }

    /// A ruler says at once how thick this kitchen's pieces are.
    fn measured(&self, request: &Request, precision: &mut Matrix, pull: &mut [f64; LEARNED]) {
        let Some(measured) = request.thickness else {
            return;
        };
        let usual = request
            .entry()
            .expected_thickness(request.mass)
            .millimetres();
        let by = (measured.millimetres() / usual).ln();
        let own = (1.0 - STAYS) * request.entry().thickness.spread.powi(2) + self.all[0].powi(2);
        precision[2][2] += 1.0 / own;
        pull[2] += by / own;
    }
}
