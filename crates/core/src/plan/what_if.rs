//! What something else would bring: each answered by one cook on the coarse grid.

use super::Outside;
use super::answer::{Alternative, GoalChange, Worth};
use super::cook::{Problem, Resolution, Timing, Variation};
use super::goals::Goal;
use super::request::{Origin, Programme, Request, TurnRule};
use super::search::Found;
use super::uncertainty::{Responses, Unknown};
use crate::fryer::{Cavity, Pace, Run};
use crate::heat::Piece;
use crate::meat::{Browning, Surface};
use crate::units::{Interval, Temperature};

/// A hotter setting is tried so much above, K: two or three marks of a dial.
const HOTTER: f64 = 15.0;
/// A hot finish lasts so long (common practice: the last few minutes).
const FINISH: Interval = Interval::from_minutes(4.0);
/// Worth is told of no more things than this.
const MOST: usize = 8;

/// What would bring the outside nearer to the inside: those that do, computed.
pub(super) fn alternatives(planned: &Problem, found: Found) -> Vec<Alternative> {
    changes(planned.request)
        .into_iter()
        .filter_map(|(change, request)| {
            request.check().ok()?;
            let problem = planned.asked(&request);
            let (cavity, trays) = (problem.first_cavity(), problem.first());
            let load = || problem.load(cavity, trays, Resolution::Coarse, Variation::NONE);
            let goal = Goal {
                core: found.goal.core,
                ..problem.goal()
            };
            let cook = |pull: f64| {
                let timing = found.timing(pull);
                let none = Variation::NONE;
                problem.cook(load(), &timing, none, goal, |_, _| ()).ok()
            };
            // The turn of the plan as a share; once more with the length it led to.
            let ready = cook(cook(found.pull)?.at)?;
            Some(Alternative {
                change,
                pull_at: Interval::from_seconds(ready.at),
                core: Temperature::from_celsius(ready.run.core()),
                browning: Browning::of(problem.browning(&ready.run)),
            })
        })
        .collect()
}

/// Requests that differ in one thing.
fn changes(request: &Request) -> Vec<(GoalChange, Request)> {
    let mut all = Vec::new();
    let but = |change: fn(&mut Request)| {
        let mut other = request.clone();
        change(&mut other);
        other
    };
    let highest = request.machine.highest;
    let hotter = Temperature::from_celsius(
        (request.setting_used().celsius() + HOTTER).min(highest.celsius()),
    );
    if hotter > request.setting_used() {
        let mut other = request.clone();
        other.setting = Some(hotter);
        all.push((GoalChange::Hotter(hotter), other));
        if request.programme == Programme::Steady {
            let mut other = request.clone();
            other.programme = Programme::HotFinish {
                setting: highest,
                time: FINISH,
            };
            all.push((GoalChange::HotFinish(highest), other));
        }
    }
    let bare = matches!(request.surface, Surface::RAW | Surface::PATTED_DRY);
    let skin = request.entry().skin && (bare || request.surface == Surface::RUBBED);
    let surfaces = [
        (
            skin,
            GoalChange::Drier as fn(Surface) -> GoalChange,
            Surface::FRIDGE_DRIED,
        ),
        (bare, GoalChange::Oil, Surface::OILED),
        (bare, GoalChange::Sugar, Surface::GLAZED),
    ];
    for (_, change, surface) in surfaces
        .into_iter()
        .filter(|(makes_sense, ..)| *makes_sense)
    {
        let mut other = request.clone();
        other.surface = surface;
        all.push((change(surface), other));
    }
    if request.turns() == TurnRule::HalfWay {
        let later = but(|request| request.turn = TurnRule::EqualBrowning);
        all.push((GoalChange::LaterTurn, later));
    }
    let pale = but(|request| request.outside = Some(Outside::AsItComes));
    all.push((GoalChange::LeaveItPale, pale));
    all
}

/// What each thing planned is worth, the method's turn among them, against the usual cook.
pub(super) fn worths(
    problem: &Problem,
    cavity: Cavity,
    found: Found,
    usual: &Responses,
) -> Vec<Worth> {
    let timing = found.timing(found.pull);
    let own = |origin| matches!(origin, Origin::Turn | Origin::Own(_));
    let deeds = problem.deeds(&timing);
    let planned = deeds.iter().filter(|deed| own(deed.origin)).take(MOST);
    let colours = |timing: &Timing, run: &Run| {
        let turns = problem.deeds(timing);
        let turned = turns.iter().filter(|deed| deed.action.turns()).count() % 2 == 1;
        colours(run.piece(), turned)
    };
    let cook = |timing: Timing| {
        let run = problem
            .load(cavity, problem.first(), Resolution::Coarse, Variation::NONE)
            .with_pace(Pace::Swift);
        let ready = problem
            .cook(run, &timing, Variation::NONE, found.goal, |_, _| ())
            .ok()?;
        Some((ready.at, colours(&timing, &ready.run)))
    };
    let (at, with) = (usual.usual_end().0, colours(&timing, usual.usual_run()));
    planned
        .filter_map(|deed| {
            let (at_without, without) = cook(timing.but(deed.origin))?;
            Some(Worth {
                origin: deed.origin,
                action: deed.action,
                at: Interval::from_seconds(deed.at),
                later: Interval::from_seconds(at - at_without),
                with,
                without,
            })
        })
        .collect()
}

/// Colours by where the faces were first.
fn colours(piece: &Piece, turned: bool) -> [Browning; 2] {
    let [upper, lower] = [piece.upper(), piece.lower()].map(|face| Browning::of(face.browning));
    if turned {
        [lower, upper]
    } else {
        [upper, lower]
    }
}

/// About how long a piece goes back in that is not at its floor after the rest: that of a machine
/// weaker by its usual spread, taken out when the plan says, to the floor.
pub(super) fn back_in(problem: &Problem, found: Found, least: Temperature) -> Interval {
    /// No less than a minute is worth closing the door for, and no more is a second cook, s.
    const LIMITS: [f64; 2] = [60.0, 900.0];
    let request = problem.request;
    let weak = Unknown::MachineHeat.varied(request, 1.0);
    let (cavity, trays) = (problem.first_cavity(), problem.first());
    let mut run = problem
        .load(cavity, trays, Resolution::Coarse, weak)
        .with_pace(Pace::Swift);
    problem.follow(&mut run, &found.timing(found.pull), found.pull);
    run.pull(problem.rest());
    run.advance_to(found.pull + request.rest().seconds());
    run.put_back(problem.last_dial());
    let (back, core) = (run.elapsed(), run.core());
    // One that stands just below needs to gain a few kelvins as well.
    let wanted = least.celsius().max(core + 2.0);
    while run.core() < wanted && run.elapsed() < back + LIMITS[1] {
        run.step(LIMITS[1]);
    }
    let seconds = (run.elapsed() - back).clamp(LIMITS[0], LIMITS[1]);
    Interval::from_seconds((seconds / 60.0).ceil() * 60.0)
}
