//! The result of the advice: the plan from the known facts, and the estimate after each reading, on the same hidden
//! piece.

use super::exercise::Exercise;
use super::play::{Made, Move, Place, Seen, play};
use crate::fryer::Action;
use crate::live::{Course, Planned, PlannedStep, Told, What};
use crate::plan::{Plan, PlanError, Request, StepKind, plan};

/// Time between a lot that comes out and the next one that goes in, s.
const SWAP: f64 = 60.0;
/// Least time between two readings, s; and their greatest number.
const AGAIN: f64 = 120.0;
const READINGS: usize = 4;

/// The moves that the advice would have made.
pub(super) fn advised(exercise: Exercise, seed: u64) -> Result<Vec<Made>, PlanError> {
    let lots = exercise.lots(true);
    let plans: Vec<Plan> = lots
        .iter()
        .map(|lot| plan(&lot.request))
        .collect::<Result<_, _>>()?;
    let load = |at, preheated| Made {
        at,
        what: Move::Load {
            preheated,
            with_space: true,
        },
    };
    let preheated = plans.first().is_some_and(|plan| plan.preheat.is_some());
    let mut moves = vec![load(0.0, preheated)];
    let (mut loaded, mut end) = (0.0, 0.0_f64);
    for (lot, (one, plan)) in lots.iter().zip(&plans).enumerate() {
        if lot > 0 && !exercise.is_together() {
            loaded = end + SWAP;
            moves.push(load(loaded, false));
        }
        let out = until_out(
            exercise,
            seed,
            &mut moves,
            (lot, &one.request, plan),
            loaded,
        )?;
        end = end.max(out);
    }
    let rest = plans.last().map_or(0.0, |plan| plan.rest.seconds());
    moves.push(Made {
        at: end + rest,
        what: Move::Serve,
    });
    moves.sort_by(|a, b| a.at.total_cmp(&b.at));
    Ok(moves)
}

/// Turns, sauces, reads and takes out one lot; returns when.
fn until_out(
    exercise: Exercise,
    seed: u64,
    moves: &mut Vec<Made>,
    (lot, request, plan): (usize, &Request, &Plan),
    loaded: f64,
) -> Result<f64, PlanError> {
    let steps = PlannedStep::all(plan);
    let planned = Planned::of(request, plan, &steps);
    let step = |kind| planned.find(kind, 1);
    let mut told = vec![Told {
        id: 0,
        at: 0.0,
        batch: Some(1),
        what: What::Done(step(StepKind::Load).unwrap_or_default()),
    }];
    for (n, one) in steps.iter().enumerate().filter(|(_, one)| one.batch == 1) {
        let at = one.at.seconds();
        let turns = one.actions.iter().any(|action| action.turns());
        let sauces = one
            .actions
            .iter()
            .any(|action| matches!(action, Action::Sauce(_)));
        if turns || sauces {
            told.push(Told {
                id: n as u128 + 1,
                at,
                batch: Some(1),
                what: What::Done(n),
            });
        }
        // What lies together is turned together, when the first of it is due.
        let turned = moves
            .iter()
            .any(|made| made.what == Move::Turn && made.at >= loaded);
        if turns && !turned {
            moves.push(Made {
                at: loaded + at,
                what: Move::Turn,
            });
        }
        if sauces {
            moves.push(Made {
                at: loaded + at,
                what: Move::Sauce,
            });
        }
    }
    let mut at = plan.check_from.seconds();
    for reading in 0..READINGS {
        let read = Made {
            at: loaded + at,
            what: Move::Read {
                lot,
                place: Place::Thickest,
            },
        };
        moves.push(read);
        moves.sort_by(|a, b| a.at.total_cmp(&b.at));
        let played = play(exercise, seed, moves)?;
        let which = moves.iter().position(|made| *made == read);
        let seen = which.and_then(|n| played.seen.get(n));
        let Some(Seen::Reading(core)) = seen.copied() else {
            break;
        };
        told.push(Told {
            id: 1000 + reading as u128,
            at,
            batch: Some(1),
            what: What::Reading(core),
        });
        let mut heard: Vec<Told> = told.iter().filter(|one| one.at <= at).copied().collect();
        heard.sort_by(|a, b| a.at.total_cmp(&b.at));
        let estimate = Course::of(planned, 0.0, &heard).estimate;
        let pull = estimate
            .and_then(|estimate| estimate.pull)
            .unwrap_or(plan.pull_at.seconds());
        if pull - at <= AGAIN || reading + 1 == READINGS {
            at = pull.max(at);
            break;
        }
        // Again, after most of the remaining time.
        at += (0.7 * (pull - at)).max(AGAIN);
    }
    moves.push(Made {
        at: loaded + at,
        what: Move::Out { lot },
    });
    moves.sort_by(|a, b| a.at.total_cmp(&b.at));
    Ok(loaded + at)
}
