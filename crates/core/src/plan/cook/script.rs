//! Everything that is done in a cook, in order of time: what the methods' recipes say and what the
//! cook planned, those within a minute of one another in one opening.

use super::LONGEST;
use super::Problem;
use super::variation::Variation;
use crate::fryer::{Action, Which};
use crate::heat::Looking;
use crate::plan::request::{
    Origin, PlannedAction, Programme, Request, SAUCE_BEFORE, SauceRule, TurnRule, When,
};
use crate::units::Temperature;

/// What decides when planned actions fall, s.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Timing {
    /// The pull; what counts from it is left out until it is known.
    pub pull: Option<f64>,
    /// The turn of the method as a share of that.
    pub turn_share: Option<f64>,
    /// When the upper face is golden.
    pub golden: Option<f64>,
    /// Whether racks change places.
    pub swaps: bool,
    /// Marks of the kitchen clock that every moment falls on.
    pub mark: Option<f64>,
    /// Left out: to see what it is worth.
    pub without: Option<Origin>,
}

/// One thing done.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Deed {
    /// When, s after loading.
    pub at: f64,
    /// What; the dial as the cook reads it.
    pub action: Action,
    /// Why.
    pub origin: Origin,
}

/// What is done in one opening.
#[derive(Debug, Clone, PartialEq)]
pub struct Opening {
    /// When, s after loading.
    pub at: f64,
    /// What; the dial as the air follows it.
    pub actions: Vec<Action>,
}

/// Cooks shorter than this are timed to half minutes, s.
const SHORT: f64 = 900.0;

/// Marks of the kitchen clock that a cook of so many seconds is timed by, s.
pub const fn mark_of(pull: f64) -> f64 {
    if pull < SHORT { 30.0 } else { 60.0 }
}

/// Half of a cook.
pub const HALF: f64 = 0.5;
/// What is planned within so many seconds is done in one opening.
const TOGETHER: f64 = 60.0;
/// What is done again and again is not done once more so shortly before the pull, s.
const NOT_AGAIN: f64 = 120.0;

/// What the methods of a request ask for, each as its recipe of actions.
pub fn recipe(request: &Request, timing: &Timing) -> Vec<(Origin, PlannedAction)> {
    let mut all = Vec::new();
    let mut add = |origin, when, action| all.push((origin, PlannedAction { when, action }));
    let turn_share = match request.turns() {
        TurnRule::Never => None,
        TurnRule::HalfWay => Some(HALF),
        TurnRule::EqualBrowning => timing.turn_share,
    };
    if let Some(share) = turn_share {
        add(Origin::Turn, When::Share(share), Action::Turn(Which::All));
    }
    if timing.swaps {
        let share = turn_share.unwrap_or(HALF);
        add(Origin::Swap, When::Share(share), Action::SwapRacks);
    }
    match request.sauce {
        SauceRule::None | SauceRule::Tossed => {}
        SauceRule::LastMinutes => add(
            Origin::Sauce,
            When::BeforeEnd(SAUCE_BEFORE),
            Action::Sauce(Looking::Both),
        ),
        SauceRule::BeforeAndAtTurn => {
            let start = When::Share(0.0);
            add(Origin::Sauce, start, Action::Sauce(Looking::Up));
            if let Some(share) = turn_share {
                add(
                    Origin::Sauce,
                    When::Share(share),
                    Action::Sauce(Looking::Up),
                );
            }
        }
    }
    match request.programme {
        Programme::Steady => {}
        Programme::HotStart { time, .. } => add(
            Origin::Programme,
            When::At(time),
            Action::Set(request.setting_used()),
        ),
        Programme::HotFinish { setting, time } => add(
            Origin::Programme,
            When::BeforeEnd(time),
            Action::Set(setting),
        ),
    }
    let own = request.actions.iter().enumerate();
    all.extend(own.map(|(number, planned)| (Origin::Own(number), *planned)));
    all
}

impl Timing {
    /// The same without one of the things done.
    pub fn but(self, origin: Origin) -> Self {
        Self {
            without: Some(origin),
            ..self
        }
    }

    /// When something falls, once or again and again; nothing where that is not known yet.
    fn moments(&self, when: When) -> Vec<f64> {
        let When::Every(apart) = when else {
            return self.moment(when).into_iter().collect();
        };
        let until = self.pull.unwrap_or(LONGEST.seconds()) - NOT_AGAIN;
        let times = (until / apart.seconds()).floor().max(0.0) as u32;
        (1..=times)
            .map(|time| f64::from(time) * apart.seconds())
            .collect()
    }

    /// When something falls that is done once.
    fn moment(&self, when: When) -> Option<f64> {
        let at = match when {
            When::At(at) => return Some(at.seconds()),
            // Before loading.
            When::Share(share) if share <= 0.0 => return Some(0.0),
            When::Share(share) => self.pull? * share,
            When::BeforeEnd(time) => {
                let at = self.pull? - time.seconds();
                // A hot finish longer than the cook is hot throughout.
                at.max(0.0)
            }
            When::Golden => self.golden?,
            When::Every(_) => return None,
        };
        let Some(mark) = self.mark else {
            return Some(at);
        };
        let marked = (at / mark).round().max(1.0) * mark;
        // Not at the pull itself; in a cook of a mark or less there is no time for it.
        let latest = self
            .pull
            .map_or(marked, |pull| ((pull / mark).ceil() - 1.0) * mark);
        Some(marked.min(latest)).filter(|at| *at > 0.0)
    }
}

impl Problem<'_> {
    /// Everything that is done, in order of time.
    pub fn deeds(&self, timing: &Timing) -> Vec<Deed> {
        let mut deeds: Vec<Deed> = recipe(self.request, timing)
            .into_iter()
            .filter(|(origin, _)| timing.without != Some(*origin))
            .flat_map(|(origin, planned)| {
                let action = planned.action;
                let all = timing.moments(planned.when).into_iter();
                all.map(move |at| Deed { at, action, origin })
            })
            .collect();
        deeds.sort_by(|a, b| a.at.total_cmp(&b.at));
        // What opens the machine waits for nothing: it joins the opening before it.
        let mut open_at: Option<f64> = None;
        for deed in &mut deeds {
            if deed.action.open().seconds() <= 0.0 {
                continue;
            }
            match open_at {
                Some(at) if at > 0.0 && deed.at - at <= TOGETHER => deed.at = at,
                _ => open_at = Some(deed.at),
            }
        }
        deeds.sort_by(|a, b| a.at.total_cmp(&b.at));
        deeds
    }

    /// The same by openings, the dial as the air follows it.
    pub fn script(&self, timing: &Timing, variation: Variation) -> Vec<Opening> {
        let mut script: Vec<Opening> = Vec::new();
        for deed in self.deeds(timing) {
            let action = match deed.action {
                Action::Set(dial) => Action::Set(Temperature::from_celsius(
                    self.true_to(dial.celsius()) + variation.setting,
                )),
                other => other,
            };
            match script.last_mut() {
                Some(opening) if (opening.at - deed.at).abs() < 1e-9 => {
                    opening.actions.push(action)
                }
                _ => script.push(Opening {
                    at: deed.at,
                    actions: vec![action],
                }),
            }
        }
        // A cook that is out when all that is planned has had its effect is out at that moment.
        let until = self.request.planned_until().seconds();
        if until > 0.0 && script.iter().all(|opening| opening.at != until) {
            script.push(Opening {
                at: until,
                actions: Vec::new(),
            });
            script.sort_by(|a, b| a.at.total_cmp(&b.at));
        }
        script
    }
}
