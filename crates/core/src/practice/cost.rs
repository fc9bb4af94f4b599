//! What each decision cost: the same cook with the advice's in its place.

use super::advice::advised;
use super::exercise::Exercise;
use super::hidden::{Hidden, hidden};
use super::play::{Made, Move, Result, play};
use crate::meat::Browning;
use crate::plan::PlanError;
use crate::units::{Interval, Message, Quantity, Temperature};

/// What one decision cost, against the advice's.
#[derive(Debug, Clone, PartialEq)]
pub struct Cost {
    /// The decision in words.
    pub message: Message,
    /// How much later it was served for it, s; negative where sooner.
    pub later: f64,
    /// How much higher the core rose for it, K, the mean of the lots.
    pub hotter: f64,
    /// How much more of the weight was lost as water, a share.
    pub drier: f64,
    /// Colour of the palest face, as it was and as it would have been.
    pub colours: [Browning; 2],
}

/// The result that is shown at the end.
#[derive(Debug, Clone, PartialEq)]
pub struct Reveal {
    /// As it was played.
    pub played: Result,
    /// As the advice would have played it, and its moves.
    pub advised: Result,
    /// See [`Self::advised`].
    pub moves: Vec<Made>,
    /// The wanted core.
    pub target: Temperature,
    /// The safe minimum, if it has one.
    pub least: Option<Temperature>,
    /// The hidden values.
    pub hidden: Hidden,
    /// What each decision cost, the dearest first.
    pub costs: Vec<Cost>,
}

/// Less than this is not told: s, K, share.
const LEAST: (f64, f64, f64) = (30.0, 1.0, 0.005);

/// Shows what it was inside, what each decision cost, and how the advice would have gone.
///
/// ```
/// use ember_core::practice::{Exercise, Made, Move, reveal};
/// let at = |at, what| Made { at, what };
/// let moves = [
///     at(0.0, Move::Load { preheated: false, with_space: true }),
///     at(600.0, Move::Turn),
///     at(2400.0, Move::Out { lot: 0 }),
///     at(2700.0, Move::Serve),
/// ];
/// let shown = reveal(Exercise::CarryOver, 3, &moves).unwrap();
/// // Forty minutes were far too long, and that is what it cost.
/// assert!(shown.costs[0].hotter > 5.0);
/// assert!(shown.advised.lots[0].peak >= shown.target);
/// ```
///
/// # Errors
/// Those of a plan; none for the exercises there are.
pub fn reveal(
    exercise: Exercise,
    seed: u64,
    moves: &[Made],
) -> std::result::Result<Reveal, PlanError> {
    let played = play(exercise, seed, moves)?;
    let advice = advised(exercise, seed)?;
    let as_advised = play(exercise, seed, &advice)?;
    let with_space = played.of > 1 || !exercise.may_crowd();
    let mut costs = Vec::new();
    for (message, other) in otherwise(exercise, moves, &advice) {
        let without = play(exercise, seed, &other)?;
        if without.served.is_none() {
            continue;
        }
        let cost = Cost {
            message,
            later: ends(&played) - ends(&without),
            hotter: mean(&played, |lot| lot.peak.celsius())
                - mean(&without, |lot| lot.peak.celsius()),
            drier: mean(&played, |lot| lot.water) - mean(&without, |lot| lot.water),
            colours: [palest(&played), palest(&without)],
        };
        let matters = cost.later.abs() >= LEAST.0
            || cost.hotter.abs() >= LEAST.1
            || cost.drier.abs() >= LEAST.2
            || cost.colours[0] != cost.colours[1];
        if matters {
            costs.push(cost);
        }
    }
    costs.sort_by(|a, b| weight(b).total_cmp(&weight(a)));
    let lots = exercise.lots(with_space);
    let request = lots.first().map(|lot| &lot.request);
    Ok(Reveal {
        target: request.map_or(Temperature::from_celsius(0.0), |request| request.target),
        least: request.and_then(|request| request.floor().core),
        hidden: hidden(exercise, with_space, seed),
        played,
        advised: as_advised,
        moves: advice,
        costs,
    })
}

/// How much a cost matters: a kelvin as much as half a minute, a word of colour as three kelvins (from memory).
fn weight(cost: &Cost) -> f64 {
    let words = (cost.colours[0] as i32 - cost.colours[1] as i32).abs();
    cost.later.abs() / 30.0 + cost.hotter.abs() + 100.0 * cost.drier.abs() + 3.0 * f64::from(words)
}

/// When it was on the table, from the beginning of the preheating.
fn ends(result: &Result) -> f64 {
    result.preheat + result.served.unwrap_or_default()
}

fn mean(result: &Result, of: impl Fn(&super::play::Served) -> f64) -> f64 {
    let sum: f64 = result.lots.iter().map(of).sum();
    sum / result.lots.len().max(1) as f64
}

fn palest(result: &Result) -> Browning {
    let faces = result.lots.iter().flat_map(|lot| lot.faces);
    faces.min().unwrap_or(Browning::Pale)
}

/// Each decision with the moves that have the advice's in its place.
fn otherwise(exercise: Exercise, moves: &[Made], advice: &[Made]) -> Vec<(Message, Vec<Made>)> {
    let mut all = Vec::new();
    let sorted = |mut moves: Vec<Made>| {
        moves.sort_by(|a, b| a.at.total_cmp(&b.at));
        moves
    };
    loading(exercise, moves, advice, &mut all);
    for (what, word) in [(Move::Turn, "Turned"), (Move::Sauce, "Sauced")] {
        // Times are compared from their own loading.
        let [own, theirs] = [moves, advice].map(|moves| since_loading(moves, what));
        if own == theirs {
            continue;
        }
        let loads = loads(moves);
        let mut other: Vec<Made> = moves
            .iter()
            .filter(|made| made.what != what)
            .copied()
            .collect();
        other.extend(theirs.iter().filter_map(|(lot, at)| {
            Some(Made {
                at: loads.get(*lot)? + at,
                what,
            })
        }));
        let time = |seconds: f64| Quantity::Time(Interval::from_minutes((seconds / 60.0).round()));
        let message = match (own.first(), theirs.first()) {
            (Some((_, at)), Some((_, then))) => Message::with(
                format!("{word} after {{}}; {{}} was advised"),
                [time(*at), time(*then)],
            ),
            (None, Some((_, then))) => Message::with(
                format!("Not {}; after {{}} was advised", word.to_lowercase()),
                [time(*then)],
            ),
            (Some((_, at)), None) => Message::with(
                format!("{word} after {{}}; not at all was advised"),
                [time(*at)],
            ),
            (None, None) => continue,
        };
        all.push((message, sorted(other)));
    }
    let opens = |made: &Made| matches!(made.what, Move::Read { .. } | Move::Look);
    let opened = moves.iter().filter(|made| opens(made)).count();
    if opened > 0 {
        let shut = moves.iter().filter(|made| !opens(made)).copied().collect();
        all.push((
            Message::plain(format!("Opened {opened} times for a reading or a look")),
            shut,
        ));
    }
    // A crowded basket is reported without its pulls, since their times follow from it.
    if crowded(moves).is_none() {
        pulls(exercise, moves, advice, &mut all);
    }
    all
}

/// Preheating and how they were laid.
fn loading(
    exercise: Exercise,
    moves: &[Made],
    advice: &[Made],
    all: &mut Vec<(Message, Vec<Made>)>,
) {
    let first = |moves: &[Made]| {
        moves.iter().find_map(|made| match made.what {
            Move::Load { preheated, .. } => Some(preheated),
            _ => None,
        })
    };
    let (Some(own), Some(advised)) = (first(moves), first(advice)) else {
        return;
    };
    if own != advised {
        let mut other = moves.to_vec();
        let load = other.iter_mut().find_map(|made| match &mut made.what {
            Move::Load { preheated, .. } => Some(preheated),
            _ => None,
        });
        if let Some(preheated) = load {
            *preheated = advised;
        }
        let words = if own { "Preheated" } else { "Not preheated" };
        all.push((words.into(), other));
    }
    if exercise.may_crowd() && crowded(moves).is_some() {
        all.push(("All at once, without space between".into(), advice.to_vec()));
    }
}

/// The load without space between.
fn crowded(moves: &[Made]) -> Option<&Made> {
    let mut moves = moves.iter();
    moves.find(|made| {
        matches!(
            made.what,
            Move::Load {
                with_space: false,
                ..
            }
        )
    })
}

/// When each lot came out, and the rest.
fn pulls(exercise: Exercise, moves: &[Made], advice: &[Made], all: &mut Vec<(Message, Vec<Made>)>) {
    let own_loads = loads(moves);
    let their_loads = loads(advice);
    let half_minutes =
        |seconds: f64| Quantity::Time(Interval::from_minutes((seconds / 30.0).round() / 2.0));
    for (lot, named) in exercise.lots(true).iter().enumerate() {
        let load = if exercise.is_together() { 0 } else { lot };
        let out = |moves: &[Made], loads: &[f64]| {
            let out = moves.iter().find(|made| made.what == Move::Out { lot })?;
            Some((out.at, out.at - loads.get(load)?))
        };
        let (Some((at, took)), Some((_, advised))) =
            (out(moves, &own_loads), out(advice, &their_loads))
        else {
            continue;
        };
        let message = Message::with(
            format!("{} out after {{}}; {{}} was advised", capital(named.name)),
            [half_minutes(took), half_minutes(advised)],
        );
        all.push((message, moved(exercise, moves, lot, at, advised - took)));
    }
    if let (Some(own), Some(theirs)) = (rest(moves), rest(advice)) {
        let message = Message::with(
            "Rested for {}; {} was advised",
            [half_minutes(own), half_minutes(theirs)],
        );
        all.push((message, served_after(moves.to_vec(), theirs)));
    }
}

/// The moves with a lot out later by `by`, and the moves after it.
fn moved(exercise: Exercise, moves: &[Made], lot: usize, at: f64, by: f64) -> Vec<Made> {
    let of_it = |made: &Made| made.what == Move::Out { lot };
    let follows = |made: &Made| !exercise.is_together() && made.at > at;
    let mut other: Vec<Made> = moves
        .iter()
        // Later moves of that lot are dropped.
        .filter(|made| made.at <= at.min(at + by) || follows(made) || !is_in(made))
        .map(|made| {
            let later = if of_it(made) || follows(made) {
                by
            } else {
                0.0
            };
            Made {
                at: made.at + later,
                ..*made
            }
        })
        .collect();
    other.sort_by(|a, b| a.at.total_cmp(&b.at));
    let rested = rest(moves).unwrap_or_default();
    served_after(other, rested)
}

/// Moves with pieces that are in.
fn is_in(made: &Made) -> bool {
    !matches!(
        made.what,
        Move::Out { .. } | Move::Serve | Move::Load { .. }
    )
}

fn last_out(moves: &[Made]) -> Option<f64> {
    let outs = moves
        .iter()
        .filter(|made| matches!(made.what, Move::Out { .. }));
    outs.map(|made| made.at).reduce(f64::max)
}

/// How long the last rested.
fn rest(moves: &[Made]) -> Option<f64> {
    let served = moves.iter().find(|made| made.what == Move::Serve)?;
    Some(served.at - last_out(moves)?)
}

/// The moves, served after this rest, s.
fn served_after(mut moves: Vec<Made>, rest: f64) -> Vec<Made> {
    moves.retain(|made| made.what != Move::Serve);
    let at = last_out(&moves).unwrap_or_default() + rest;
    moves.push(Made {
        at,
        what: Move::Serve,
    });
    moves
}

fn capital(words: &str) -> String {
    let mut letters = words.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().chain(letters).collect()
    })
}

/// When each load went in.
fn loads(moves: &[Made]) -> Vec<f64> {
    let loads = moves
        .iter()
        .filter(|made| matches!(made.what, Move::Load { .. }));
    loads.map(|made| made.at).collect()
}

/// When something was done, by its load and from it.
fn since_loading(moves: &[Made], what: Move) -> Vec<(usize, f64)> {
    let loads = loads(moves);
    let done = moves.iter().filter(|made| made.what == what);
    done.filter_map(|made| {
        let load = loads.iter().rposition(|at| *at <= made.at)?;
        Some((load, made.at - loads.get(load)?))
    })
    .collect()
}
