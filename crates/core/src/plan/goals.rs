//! What must hold before the pieces come out: inside and outside.

use crate::doneness::lethality::uk_hold;
use crate::meat::Browning;
use crate::units::{Interval, Temperature};

/// How the outside should be.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Outside {
    /// As it is when the inside is there.
    #[default]
    AsItComes,
    /// Golden.
    Golden,
    /// Deep in colour.
    Brown,
    /// Golden, with a crust that is felt.
    Crisp,
}

/// Which of the two goals the pieces stay in for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Decides {
    /// The inside: the outside was there before, or was not asked for.
    Inside,
    /// The outside: the inside was there before.
    Outside,
    /// What the cook planned to do: both were there before.
    Planned,
}

/// Dry layer that is felt as a crust, mm (as [`super::Crispness`] has it).
const CRUST: f64 = 0.6;

impl Outside {
    /// Every one, the least first.
    pub const ALL: [Self; 4] = [Self::AsItComes, Self::Golden, Self::Brown, Self::Crisp];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::AsItComes => "as it comes",
            Self::Golden => "golden",
            Self::Brown => "brown",
            Self::Crisp => "crisp",
        }
    }

    /// What it means.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::AsItComes => "Out as soon as the inside is there, whatever its colour.",
            Self::Golden => "It stays in until it is golden, though not for ever.",
            Self::Brown => "It stays in until its colour is deep.",
            Self::Crisp => "It stays in until it is golden with a crust that is felt.",
        }
    }

    /// Colour that it asks for.
    #[must_use]
    pub const fn browning(self) -> Browning {
        match self {
            Self::AsItComes => Browning::Pale,
            Self::Golden | Self::Crisp => Browning::Golden,
            Self::Brown => Browning::Brown,
        }
    }

    /// The usual one for a texture that wants such a colour.
    #[must_use]
    pub const fn of(least: Browning) -> Self {
        match least {
            Browning::Pale | Browning::Blond => Self::AsItComes,
            Browning::Golden => Self::Golden,
            Browning::Brown | Browning::Dark | Browning::Burnt => Self::Brown,
        }
    }

    /// Dry layer that it asks for, mm.
    #[must_use]
    pub const fn crust(self) -> f64 {
        match self {
            Self::Crisp => CRUST,
            Self::AsItComes | Self::Golden | Self::Brown => 0.0,
        }
    }
}

/// What must hold before the pieces come out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Goal {
    /// Coldest spot, °C.
    pub core: f64,
    /// Whether it must have had 70 °C for 2 min, or the equivalent of [`uk_hold`].
    pub held: bool,
    /// Amount of browning of the face that counts.
    pub browning: f64,
    /// Thickness of its dry layer, mm.
    pub crust: f64,
    /// When the last thing that the cook planned is done and has had its effect, s.
    pub planned: f64,
}

impl Goal {
    /// The same without the outside.
    #[must_use]
    pub const fn bare(self) -> Self {
        Self {
            browning: 0.0,
            crust: 0.0,
            planned: 0.0,
            ..self
        }
    }
}

/// The face that counts, and the coldest spot, at a moment.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct State {
    /// Coldest spot, °C.
    pub core: f64,
    /// Browning of the face that counts.
    pub browning: f64,
    /// Its dry layer, mm.
    pub crust: f64,
}

/// The outside is waited for no longer than this share of the time the inside needs, plus
/// [`PATIENCE_EXTRA`], s; a cook would rather serve it paler than dry.
const PATIENCE: f64 = 2.0;
const PATIENCE_EXTRA: f64 = 300.0;
/// Where the clock of heating stops, °C.
const PASSED: f64 = 60.0;

/// A cook on its way to a goal.
#[derive(Debug, Clone)]
pub struct Progress {
    goal: Goal,
    last: Option<(f64, State)>,
    core_at: Option<f64>,
    held_at: Option<f64>,
    /// Share of the hold that has passed.
    held: f64,
    /// When the outside was there, s.
    pub outside: Option<f64>,
    /// When the core passed 60 °C, s.
    pub passed: Option<f64>,
}

impl Progress {
    /// At the beginning.
    #[must_use]
    pub const fn new(goal: Goal) -> Self {
        Self {
            goal,
            last: None,
            core_at: None,
            held_at: None,
            held: 0.0,
            outside: None,
            passed: None,
        }
    }

    /// Takes the state at a moment, s; between two, values go linearly.
    pub fn see(&mut self, now: f64, state: State) {
        let before = self.last.replace((now, state));
        let crossing = |value: fn(&State) -> f64, limit: f64| {
            let above = value(&state) >= limit;
            above.then(|| match before {
                Some((then, ref below)) if value(&state) > value(below) => {
                    let (low, high) = (value(below), value(&state));
                    then + ((limit - low) / (high - low)).max(0.0) * (now - then)
                }
                _ => now,
            })
        };
        let goal = self.goal;
        let core = |state: &State| state.core;
        self.core_at = self.core_at.or_else(|| crossing(core, goal.core));
        self.passed = self.passed.or_else(|| crossing(core, PASSED));
        self.outside = self.outside.or_else(|| {
            let colour = crossing(|state| state.browning, goal.browning)?;
            Some(colour.max(crossing(|state| state.crust, goal.crust)?))
        });
        if let Some((then, state_then)) = before {
            let share = f64::midpoint(share_a_second(state_then.core), share_a_second(state.core));
            let whole = share * (now - then);
            if self.held_at.is_none() && self.held + whole >= 1.0 {
                self.held_at = Some(then + (1.0 - self.held) / share);
            }
            self.held += whole;
        }
    }

    /// Share of the hold that has passed.
    #[must_use]
    pub const fn held(&self) -> f64 {
        self.held
    }

    /// When the inside was there, s.
    #[must_use]
    pub fn inside(&self) -> Option<f64> {
        let held = if self.goal.held { self.held_at? } else { 0.0 };
        Some(self.core_at?.max(held))
    }

    /// Until when the outside is waited for when the inside is there, s.
    #[must_use]
    pub const fn patience(&self, inside: f64) -> f64 {
        inside * PATIENCE + PATIENCE_EXTRA
    }

    /// When both were there, s, or the outside had been waited for long enough.
    #[must_use]
    pub fn ready(&self, now: f64) -> Option<f64> {
        let inside = self.inside()?;
        let patience = self.patience(inside);
        let outside = self.outside.map_or(patience, |at| at.min(patience));
        // What is planned for long after is not waited for, see `refuse_after_the_end`.
        let planned = Some(self.goal.planned).filter(|at| *at <= patience);
        let both = inside.max(outside);
        Some(both.max(planned.unwrap_or_default())).filter(|at| *at <= now)
    }
}

/// Share of the hold that passes in a second at a core temperature, °C.
#[must_use]
pub fn share_a_second(core: f64) -> f64 {
    uk_hold(Temperature::from_celsius(core)).map_or(0.0, |hold: Interval| 1.0 / hold.seconds())
}

#[cfg(test)]
mod tests {
    use super::*;

    const GOAL: Goal = Goal {
        core: 70.0,
        held: true,
        browning: 1.0,
        crust: 0.0,
        planned: 0.0,
    };

    fn heated(goal: Goal, kelvins_a_minute: f64, colour_a_minute: f64) -> Progress {
        let mut progress = Progress::new(goal);
        for second in 0..3600 {
            let minutes = f64::from(second) / 60.0;
            let state = State {
                core: (40.0 + kelvins_a_minute * minutes).min(71.0),
                browning: colour_a_minute * minutes,
                crust: 0.0,
            };
            progress.see(f64::from(second), state);
        }
        progress
    }

    /// By hand: at 71 °C the table's hold is 2 x 4^(-1/5) = 1.516 min; a minute's climb from 61 to
    /// 71 °C is worth some of it (Food Standards Agency, from memory).
    #[test]
    fn the_hold_passes_after_the_core_is_there() {
        let quick = heated(GOAL, 10.0, 1.0);
        let minutes = quick.inside().unwrap() / 60.0;
        assert!((3.0..3.0 + 1.516).contains(&(minutes - 0.1)), "{minutes}");
        let slow = heated(GOAL, 1.0, 1.0);
        // Slowly heated it has had its equivalent before it gets to 70 °C.
        assert!((slow.inside().unwrap() / 60.0 - 30.0).abs() < 0.1);
        let unheld = Goal {
            held: false,
            ..GOAL
        };
        assert!((heated(unheld, 10.0, 1.0).inside().unwrap() - 180.0).abs() < 1.0);
    }

    /// By hand: there after 30 min, planned until 40; planned until 200, which is past all patience.
    #[test]
    fn what_is_planned_is_waited_for_within_reason() {
        let until = |minutes: f64| Goal {
            planned: minutes * 60.0,
            ..GOAL
        };
        assert_eq!(heated(until(40.0), 1.0, 1.0).ready(1e9), Some(2400.0));
        let never = heated(until(200.0), 1.0, 1.0).ready(1e9).unwrap();
        assert!((never / 60.0 - 30.0).abs() < 0.1);
    }

    #[test]
    fn the_outside_is_waited_for_but_not_for_ever() {
        let both = heated(GOAL, 1.0, 1.0 / 40.0);
        assert!((both.ready(3600.0).unwrap() - 2400.0).abs() < 2.0);
        let pale = heated(GOAL, 10.0, 0.0);
        let inside = pale.inside().unwrap();
        assert!((pale.ready(3600.0).unwrap() - (2.0 * inside + 300.0)).abs() < 1e-9);
        assert_eq!(pale.outside, None);
    }
}
