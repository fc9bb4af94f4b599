//! Whether a machine is the one it was.

use super::{Cooked, Normal, Own, faded, fridge_spread, thickness_spread};
use crate::live::{LEARNED, Lesson};
use crate::plan::{HEAT, THERMOSTAT};

/// Two machines must explain the cooks so many times as well as one, as a logarithm: one machine in fifty is
/// swapped between two cooks (from memory).
const ODDS: f64 = 3.9;

/// What a cook says of its machine alone: the rest is as usual.
#[derive(Debug, Clone, Copy, Default)]
struct OfOne {
    precision: [[f64; 2]; 2],
    pull: [f64; 2],
}

/// From which cook on, by its place among those of a machine, the oldest first, they are of the machine as it is
/// now.
pub fn since(machine: &Own, own: &[usize], cooks: &[Cooked]) -> usize {
    let said: Vec<OfOne> = own
        .iter()
        .filter_map(|n| cooks.get(*n))
        .map(OfOne::of)
        .collect();
    let all = evidence(machine, &said);
    let best = (1..said.len())
        .map(|at| {
            let (before, after) = said.split_at(at);
            (at, evidence(machine, before) + evidence(machine, after))
        })
        .max_by(|a, b| a.1.total_cmp(&b.1));
    match best {
        Some((at, two)) if two > all + ODDS => at,
        _ => 0,
    }
}

/// What a cook would say of a machine by itself: the logarithm of its heat and its offset, K.
///
/// ```
/// use ember_core::learned::{Cooked, Own, alone};
/// use ember_core::{fryer::Calibration, live::Lesson, meat::CutId};
/// let nothing =
///     Lesson { precision: [[0.0; 4]; 4], pull: [0.0; 4], readings: 0, doubted: 0, colour: None };
/// let cook = Cooked { machine: "the drum".to_owned(), cut: CutId::PorkChop, age: 0.0, lesson: nothing };
/// let drum = Own { name: "the drum".to_owned(), calibration: Calibration::default() };
/// // As is usual: a tenth of heat, six kelvins.
/// let [heat, offset] = alone(&drum, &cook);
/// assert!((heat.spread - 0.1).abs() < 1e-9 && (offset.spread - 6.0).abs() < 1e-9);
/// ```
#[must_use]
pub fn alone(machine: &Own, cook: &Cooked) -> [Normal; 2] {
    let (precision, pull) = posterior(machine, &[OfOne::of(cook)]);
    let covariance = inverted(precision);
    let [heat, offset] = times(covariance, pull);
    [
        Normal {
            mean: heat,
            spread: covariance[0][0].max(0.0).sqrt(),
        },
        Normal {
            mean: offset,
            spread: covariance[1][1].max(0.0).sqrt(),
        },
    ]
}

/// A lesson with its machine integrated out, where that is no more.
pub fn without_machine(lesson: &Lesson) -> Lesson {
    let [a, b, c] = blocks(lesson);
    let usual = [[HEAT.powi(-2), 0.0], [0.0, THERMOSTAT.powi(-2)]];
    let inverse = inverted(plus(a, usual));
    let [heat, offset, thick, cold] = lesson.pull;
    let back = product(transposed(b), inverse);
    let left = minus(c, product(back, b));
    let by = times(back, [heat, offset]);
    let mut precision = [[0.0; LEARNED]; LEARNED];
    precision[2][2] = left[0][0];
    precision[2][3] = left[0][1];
    precision[3][2] = left[1][0];
    precision[3][3] = left[1][1];
    Lesson {
        precision,
        pull: [0.0, 0.0, thick - by[0], cold - by[1]],
        ..lesson.clone()
    }
}

impl OfOne {
    fn of(cook: &Cooked) -> Self {
        let [a, b, c] = blocks(&cook.lesson);
        let usual = [
            [thickness_spread(cook.cut).powi(-2), 0.0],
            [0.0, fridge_spread().powi(-2)],
        ];
        let inverse = inverted(plus(c, usual));
        let [heat, offset, thick, cold] = cook.lesson.pull;
        let along = product(b, inverse);
        let by = times(along, [thick, cold]);
        let left = faded(cook.age);
        let precision = minus(a, product(along, transposed(b)));
        Self {
            precision: precision.map(|row| row.map(|value| left * value)),
            pull: [left * (heat - by[0]), left * (offset - by[1])],
        }
    }
}

/// What is known of a machine after some cooks.
fn posterior(machine: &Own, said: &[OfOne]) -> (Matrix, [f64; 2]) {
    let usual = [HEAT.powi(-2), THERMOSTAT.powi(-2)];
    let mut precision = [[usual[0], 0.0], [0.0, usual[1]]];
    let mut pull = [
        usual[0] * machine.calibration.heat.ln(),
        usual[1] * machine.calibration.offset.kelvins(),
    ];
    for one in said {
        precision = plus(precision, one.precision);
        pull = [pull[0] + one.pull[0], pull[1] + one.pull[1]];
    }
    (precision, pull)
}

/// Logarithm of how well one machine explains some cooks, up to what all ways to divide them share.
fn evidence(machine: &Own, said: &[OfOne]) -> f64 {
    let (precision, pull) = posterior(machine, said);
    let mean = times(inverted(precision), pull);
    let prior = [
        machine.calibration.heat.ln() / HEAT,
        machine.calibration.offset.kelvins() / THERMOSTAT,
    ];
    let fits = 0.5 * (pull[0] * mean[0] + pull[1] * mean[1]);
    let usual = HEAT.powi(-2) * THERMOSTAT.powi(-2);
    fits - 0.5 * (prior[0].powi(2) + prior[1].powi(2)) - 0.5 * (determinant(precision) / usual).ln()
}

type Matrix = [[f64; 2]; 2];

/// The machine's part, what it shares with cut and fridge, their part.
const fn blocks(lesson: &Lesson) -> [Matrix; 3] {
    let p = &lesson.precision;
    [
        [[p[0][0], p[0][1]], [p[1][0], p[1][1]]],
        [[p[0][2], p[0][3]], [p[1][2], p[1][3]]],
        [[p[2][2], p[2][3]], [p[3][2], p[3][3]]],
    ]
}

const fn determinant(m: Matrix) -> f64 {
    m[0][0] * m[1][1] - m[0][1] * m[1][0]
}

/// Of a symmetric positive definite matrix.
fn inverted(m: Matrix) -> Matrix {
    let by = determinant(m).max(f64::MIN_POSITIVE);
    [[m[1][1] / by, -m[0][1] / by], [-m[1][0] / by, m[0][0] / by]]
}

const fn transposed(m: Matrix) -> Matrix {
    [[m[0][0], m[1][0]], [m[0][1], m[1][1]]]
}

fn times(m: Matrix, v: [f64; 2]) -> [f64; 2] {
    m.map(|row| row[0] * v[0] + row[1] * v[1])
}

fn product(a: Matrix, b: Matrix) -> Matrix {
    let columns = transposed(b);
    a.map(|row| columns.map(|column| row[0] * column[0] + row[1] * column[1]))
}

fn plus(a: Matrix, b: Matrix) -> Matrix {
    [
        [a[0][0] + b[0][0], a[0][1] + b[0][1]],
        [a[1][0] + b[1][0], a[1][1] + b[1][1]],
    ]
}

fn minus(a: Matrix, b: Matrix) -> Matrix {
    plus(a, b.map(|row| row.map(|value| -value)))
}
