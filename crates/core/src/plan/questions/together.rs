//! Two kinds of meat for one machine: in one basket, in two drawers, or one after the other.

use crate::basket::{Footprint, Layout, Tray, covered, with_gap};
use crate::fryer::{Cavity, MachineKind};
use crate::plan::SWAP;
use crate::plan::cook::{HALF, Problem, Resolution, Timing, Variation, mark_of};
use crate::plan::error::PlanError;
use crate::plan::goals::Progress;
use crate::plan::loading::lay::{agree, density, shapes};
use crate::plan::request::{LoadRule, Programme, Request, TurnRule};
use crate::plan::search::search;
use crate::plan::to_the_end::{CookedLoad, cook_loads, cook_to_the_end};
use crate::units::Interval;
use crate::units::{Message, Quantity};

/// How two kinds share a machine.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum How {
    /// Side by side in one layer.
    OneBasket,
    /// Each in a drawer of its own, ending together.
    TwoDrawers,
    /// Some of each in both drawers, which change places half-way.
    SomeOfEach,
    /// One after the other.
    OneAfterTheOther,
}

/// Two kinds in one machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Together {
    /// How.
    pub how: How,
    /// Why.
    pub reason: Message,
    /// When each goes in, from the first loading.
    pub starts: [Interval; 2],
    /// How long each is in.
    pub cooks: [Interval; 2],
    /// When everything is out.
    pub out: Interval,
    /// Side by side: each piece from above, first kind first, and where it lies; of two drawers that hold some
    /// of each, what lies in one.
    pub layout: Option<(Vec<Footprint>, Layout)>,
    /// The other way, where there is one.
    pub or: Option<Box<Together>>,
}

/// Settings this near each other are one setting, K (common practice: a step or two of the dial).
const ONE_SETTING: f64 = 15.0;

/// Whether two kinds go into the machine of the first together, and how they share it if not.
///
/// # Errors
/// Those of a plan for either.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId};
/// use ember_core::plan::{How, Request, together};
/// let usual = |cut| Request::usual(cut, PRESETS[2].machine());
/// let wings = Request { pieces: 6, ..usual(CutId::PartyWing) };
/// let roast = usual(CutId::PorkLoinRoast);
/// // A roast rests while the wings cook; wings hold nothing.
/// let both = together(&wings, &roast).unwrap();
/// assert_eq!(both.how, How::OneAfterTheOther);
/// assert!(both.starts[1] < both.starts[0]);
/// ```
pub fn together(first: &Request, second: &Request) -> Result<Together, PlanError> {
    let steady = |request: &Request| Request {
        machine: first.machine.clone(),
        layout: None,
        actions: Vec::new(),
        programme: Programme::Steady,
        load: LoadRule::WithAir,
        room: first.room,
        altitude: first.altitude,
        split: Vec::new(),
        gap: first.gap,
        ..request.clone()
    };
    let [first, second] = [steady(first), steady(second)];
    first.check()?;
    second.check()?;
    let pair = [&first, &second];
    if first.machine.kind == MachineKind::TwinDrawers
        && let Some(mut drawers) = two_drawers(pair)?
    {
        drawers.or = some_of_each(pair)?.map(Box::new);
        return Ok(drawers);
    }
    match side_by_side(pair)? {
        Basket::Shared(together) => Ok(together),
        Basket::Apart(why) => one_after_the_other(pair, why),
    }
}

/// Whether one basket serves both.
enum Basket {
    Shared(Together),
    /// And why it does not.
    Apart(Message),
}

/// Each in its drawer; nothing where one of them needs both.
fn two_drawers(pair: [&Request; 2]) -> Result<Option<Together>, PlanError> {
    let problems = pair.map(Problem::new);
    let alone = |problem: &Problem| match problem.loading.loads.as_slice() {
        [load] => load.trays.len() == 1,
        _ => false,
    };
    if !problems.iter().all(alone) {
        return Ok(None);
    }
    let mut cooks = [0.0; 2];
    for (cook, problem) in cooks.iter_mut().zip(&problems) {
        let cavity = problem.sharing_cavity();
        let found = search(problem, cavity, problem.first())?;
        *cook = cook_to_the_end(problem, cavity, problem.first(), found, 0.0)?.pull;
    }
    let longest = cooks[0].max(cooks[1]);
    let later = (cooks[0] - cooks[1]).abs();
    Ok(Some(Together {
        how: How::TwoDrawers,
        reason: Message::with(
            "one drawer each, half the power each; the quicker goes in {} later and both end \
             together",
            [Quantity::Time(Interval::from_seconds(later))],
        ),
        starts: cooks.map(|cook| Interval::from_seconds(longest - cook)),
        cooks: cooks.map(Interval::from_seconds),
        out: Interval::from_seconds(longest),
        layout: None,
        or: None,
    }))
}

/// Half of each kind in both drawers: a leg and a wing in each. What is done first comes out first; the
/// drawers change places half-way, as no two of them are equally hot. Nothing where the pieces do not divide,
/// want different settings or do not lie in one layer.
fn some_of_each(pair: [&Request; 2]) -> Result<Option<Together>, PlanError> {
    let settings = pair.map(|request| request.setting_used().celsius());
    let even = pair
        .iter()
        .all(|request| request.pieces % 2 == 0 && request.pieces > 0);
    if !even || (settings[0] - settings[1]).abs() > ONE_SETTING {
        return Ok(None);
    }
    let halves = pair.map(|request| Request {
        pieces: request.pieces / 2,
        weights: Vec::new(),
        ..request.clone()
    });
    let pair = [&halves[0], &halves[1]];
    let Some((all, layout)) = lie_together(pair) else {
        return Ok(None);
    };
    let problems = pair.map(Problem::new);
    let trays = trays_of(pair, &all, &layout);
    let ready = sharing(&problems, &trays, problems[0].sharing_cavity())?;
    let cooks = ready.map(Interval::from_seconds);
    let longest = Interval::from_seconds(ready[0].max(ready[1]));
    let [first, second] = pair.map(|request| request.entry().noun(request.pieces));
    let [a, b] = pair.map(|request| request.pieces);
    Ok(Some(Together {
        how: How::SomeOfEach,
        reason: Message::with(
            format!(
                "{a} {first} and {b} {second} in each drawer; the {first} come out after {{}}, the {second} \
                 after {{}}; swap the drawers half-way"
            ),
            cooks.map(Quantity::Time),
        ),
        starts: [Interval::from_seconds(0.0); 2],
        cooks,
        out: longest,
        layout: Some((all, layout)),
        or: None,
    }))
}

/// Both kinds in one layer with the gap, if they lie so.
fn lie_together(pair: [&Request; 2]) -> Option<(Vec<Footprint>, Layout)> {
    let all: Vec<Footprint> = pair
        .iter()
        .flat_map(|request| shapes(request, density(request)))
        .collect();
    let [first, _] = pair;
    let layout = with_gap(&all, first.machine.floor, first.gap.millimetres())?;
    Some((all, layout))
}

/// Each kind as a tray of its own in the layer that both lie in.
fn trays_of(pair: [&Request; 2], all: &[Footprint], layout: &Layout) -> [Tray; 2] {
    let [first, second] = pair.map(|request| request.pieces as usize);
    let coverage = covered(all, pair[0].machine.floor);
    [(0, first), (first, second)].map(|(from, count)| Tray {
        level: 0,
        pieces: (0..count).collect(),
        coverage,
        bedded: 0.0,
        layout: Layout {
            poses: (layout.poses.iter().skip(from).take(count).copied()).collect(),
            gap: layout.gap,
        },
    })
}

/// In one layer where it keeps the gap and the programmes agree; else why not.
fn side_by_side(pair: [&Request; 2]) -> Result<Basket, PlanError> {
    let [first, second] = pair;
    let settings = pair.map(|request| request.setting_used().celsius());
    if (settings[0] - settings[1]).abs() > ONE_SETTING {
        return Ok(Basket::Apart(Message::with(
            "apart: one wants {}, the other {}",
            pair.map(|request| Quantity::Setting(request.setting_used())),
        )));
    }
    if first.support != second.support || first.support.turns_itself() {
        return Ok(Basket::Apart(Message::plain(
            "apart: they are not held alike",
        )));
    }
    if first.turns() != second.turns() {
        return Ok(Basket::Apart(Message::plain(
            "apart: one is turned, the other is not",
        )));
    }
    let Some((all, layout)) = lie_together(pair) else {
        return Ok(Basket::Apart(Message::with(
            "apart: both together do not lie in one layer with {} around each",
            [Quantity::Length(first.gap)],
        )));
    };
    let trays = trays_of(pair, &all, &layout);
    let problems = [Problem::new(first), Problem::new(second)];
    let ready = sharing(&problems, &trays, problems[0].first_cavity())?;
    if !agree(ready[0], ready[1]) {
        return Ok(Basket::Apart(Message::with(
            "apart: side by side one would be ready after {}, the other after {}",
            ready.map(|at| Quantity::Time(Interval::from_seconds(at))),
        )));
    }
    let out = Interval::from_seconds(ready[0].max(ready[1]));
    Ok(Basket::Shared(Together {
        how: How::OneBasket,
        reason: Message::with(
            "together: ready within {} of each other, turned once",
            [Quantity::Time(Interval::from_seconds(
                (ready[0] - ready[1]).abs(),
            ))],
        ),
        starts: [Interval::from_seconds(0.0); 2],
        cooks: [out; 2],
        out,
        layout: Some((all, layout)),
        or: None,
    }))
}

/// When each is ready in the same air of a cavity, turned half-way, s: each by its own goals, inside, hold and
/// outside; nothing is left to the rest, which one of them would not get.
fn sharing(
    problems: &[Problem; 2],
    trays: &[Tray; 2],
    cavity: Cavity,
) -> Result<[f64; 2], PlanError> {
    let [first, second] = problems;
    let load = || {
        let run = first.load(cavity, &trays[..1], Resolution::Fine, Variation::NONE);
        second.beside(run, &trays[1], Resolution::Fine)
    };
    let cook = |pull: Option<f64>| {
        let timing = Timing {
            pull,
            turn_share: Some(HALF),
            ..Timing::default()
        };
        let mut progress = problems.each_ref().map(|one| Progress::new(one.goal()));
        first.watch(load(), &timing, Variation::NONE, |run| {
            let now = run.elapsed();
            for ((progress, problem), piece) in progress.iter_mut().zip(problems).zip(run.pieces())
            {
                progress.see(now, problem.state_of(piece));
            }
            progress.iter().all(|one| one.ready(now).is_some())
        })?;
        let ready = progress.map(|one| one.ready(f64::INFINITY));
        Ok::<_, PlanError>(ready.map(Option::unwrap_or_default))
    };
    let straight = cook(None)?;
    let ready = if first.request.turns() == TurnRule::Never {
        straight
    } else {
        cook(Some(straight[0].max(straight[1])))?
    };
    // Out at the next mark of the clock, never before it.
    Ok(ready.map(|at| (at / mark_of(at)).ceil() * mark_of(at)))
}

/// First what holds or rests best, then the other in the hot machine.
fn one_after_the_other(pair: [&Request; 2], reason: Message) -> Result<Together, PlanError> {
    let holds = |request: &Request| (request.entry().rest.seconds(), request.mass.grams());
    let second_first = holds(pair[1]) > holds(pair[0]);
    let order = if second_first { [1, 0] } else { [0, 1] };
    let mut starts = [0.0; 2];
    let mut cooks = [0.0; 2];
    let mut clock = 0.0;
    let mut hot = None;
    for (n, request) in order.into_iter().filter_map(|n| Some((n, *pair.get(n)?))) {
        let problem = Problem::new(request);
        let cavity = match hot.take() {
            Some(after) => problem.next_cavity(&after),
            None => problem.first_cavity(),
        };
        let found = search(&problem, cavity, problem.first())?;
        let cooked = cook_to_the_end(&problem, cavity, problem.first(), found, 0.0)?;
        let loads = cook_loads(&problem, cavity, &cooked, 1.0)?;
        let swaps = SWAP.seconds() * (loads.len() as f64 - 1.0);
        let all = loads.iter().map(CookedLoad::longest).sum::<f64>() + swaps;
        hot = Some(cooked.run);
        if let (Some(start), Some(cook)) = (starts.get_mut(n), cooks.get_mut(n)) {
            (*start, *cook) = (clock, all);
        }
        clock += all + SWAP.seconds();
    }
    let [kept, _] = order.map(|n| pair.get(n).map_or("it", |r| r.entry().noun(r.pieces)));
    Ok(Together {
        how: How::OneAfterTheOther,
        reason: Message::with(
            format!("{}; first the {kept}, best at holding heat", reason.text),
            reason.values,
        ),
        starts: starts.map(Interval::from_seconds),
        cooks: cooks.map(Interval::from_seconds),
        out: Interval::from_seconds(clock - SWAP.seconds()),
        layout: None,
        or: None,
    })
}
