//! What may have been otherwise than planned, how common that is, and the cook with it.

use super::cook::{Case, Cook, is_turn};
use crate::fryer::Action;
use crate::live::{Entry, Happened};
use crate::meat::{Layer, Surface};
use crate::plan::cook::Variation;
use crate::plan::{PreheatRule, SauceRule, Start};
use crate::units::{Interval, Length, Message, Quantity, Temperature, TemperatureDifference};

/// Why it went wrong.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Cause {
    /// The pieces were thicker than counted with.
    Thicker,
    /// They were thinner.
    Thinner,
    /// They went in colder.
    Colder,
    /// They went in warmer.
    Warmer,
    /// The machine runs cooler than its dial, and blows weaker.
    MachineWeaker,
    /// It runs hotter.
    MachineStronger,
    /// The pieces lay too close.
    Crowded,
    /// The machine was cold when they went in.
    NotPreheated,
    /// They were not turned.
    NotTurned,
    /// They were turned late.
    TurnedLate,
    /// They came out too soon.
    OutTooSoon,
    /// They stayed in too long.
    OutTooLate,
    /// The machine was opened too often.
    OpenedOften,
    /// The dial stood lower than planned.
    SetLower,
    /// It stood higher.
    SetHigher,
    /// The surface was wet when they went in.
    Wet,
    /// Something sweet was on them from the beginning.
    SweetTooEarly,
    /// The thermometer's tip was not in the coldest spot.
    TipAside,
}

/// A cause with how much of it.
#[derive(Clone)]
pub struct Candidate {
    pub cause: Cause,
    /// In the cause's own unit.
    pub amount: f64,
    /// How common it is, against the others.
    pub prior: f64,
    /// Whether it was told of the cook.
    pub told: bool,
    /// The cook with it.
    pub cook: Cook,
}

/// Something that was told of the cook and was not planned so.
pub struct Departure {
    cause: Cause,
    /// In the cause's own unit.
    amount: f64,
    undo: Undo,
}

/// How it would have gone as planned.
#[derive(Clone, Copy)]
enum Undo {
    /// Out then, s after loading.
    Out(f64),
    /// Turned then.
    Turn(f64),
    /// Never opened.
    Shut,
}

/// Of the amounts of a cause each is so much rarer than the one before (from memory).
const RARER: [f64; 3] = [1.0, 0.5, 0.2];
/// Later or sooner than planned by less than this says nothing, s.
const ON_TIME: f64 = 60.0;
/// Doors that stand open for longer than this in all are told, s.
const OPEN: f64 = 90.0;

impl Cause {
    const ALL: [Self; 18] = [
        Self::Thicker,
        Self::Thinner,
        Self::Colder,
        Self::Warmer,
        Self::MachineWeaker,
        Self::MachineStronger,
        Self::Crowded,
        Self::NotPreheated,
        Self::NotTurned,
        Self::TurnedLate,
        Self::OutTooSoon,
        Self::OutTooLate,
        Self::OpenedOften,
        Self::SetLower,
        Self::SetHigher,
        Self::Wet,
        Self::SweetTooEarly,
        Self::TipAside,
    ];

    /// How much of it is tried, in its own unit, from what is common to what is rare: shares, kelvins, openings.
    fn amounts(self, case: &Case) -> &'static [f64] {
        match self {
            // A ruler is not off by more.
            Self::Thicker | Self::Thinner if case.planned.request.thickness.is_some() => {
                &[0.05, 0.1]
            }
            Self::Thicker => &[0.1, 0.2, 0.35],
            Self::Thinner => &[0.1, 0.2, 0.3],
            Self::Colder => &[3.0, 5.0],
            Self::Warmer => &[6.0, 12.0],
            Self::MachineWeaker | Self::MachineStronger | Self::SetLower | Self::SetHigher => {
                &[10.0, 20.0, 30.0]
            }
            Self::Crowded => &[0.2, 0.35, 0.5],
            Self::NotPreheated | Self::NotTurned | Self::Wet | Self::SweetTooEarly => &[1.0],
            Self::TurnedLate => &[0.5],
            Self::OutTooSoon | Self::OutTooLate => &[0.12, 0.25],
            Self::OpenedOften => &[3.0, 5.0],
            Self::TipAside => &[6.0, 12.0],
        }
    }

    /// How common it is in kitchens (common practice in order, from memory in size).
    fn prior(self, case: &Case) -> f64 {
        let request = case.planned.request;
        let measured = request.thickness.is_some();
        match self {
            // A guessed thickness is off more often than a measured one.
            Self::Thicker | Self::Thinner if measured => 0.03,
            Self::Thicker => 0.18,
            Self::Thinner => 0.1,
            Self::Colder => match request.start {
                Start::Measured(_) => 0.01,
                Start::Frozen => 0.0,
                Start::Fridge | Start::Tempered(_) => 0.06,
            },
            Self::Warmer => match request.start {
                Start::Measured(_) => 0.01,
                Start::Frozen => 0.05,
                Start::Fridge | Start::Tempered(_) => 0.04,
            },
            // One that was learned of is off less.
            Self::MachineWeaker | Self::MachineStronger => {
                if request.known.machine.is_some() {
                    0.06
                } else {
                    0.14
                }
            }
            Self::Crowded if request.pieces < 2 => 0.0,
            Self::Crowded => 0.14,
            Self::NotPreheated => 0.08,
            Self::NotTurned => 0.1,
            Self::TurnedLate => 0.05,
            Self::OutTooSoon => 0.14,
            Self::OutTooLate => 0.14,
            Self::OpenedOften => 0.04,
            Self::SetLower | Self::SetHigher => 0.03,
            Self::Wet => 0.12,
            Self::SweetTooEarly => 0.08,
            Self::TipAside => 0.12,
        }
    }

    /// The cook with so much of it; nothing where that cannot be.
    fn tried(self, case: &Case, amount: f64) -> Option<Cook> {
        let mut cook = case.base();
        let none = Variation::NONE;
        match self {
            Self::Thicker => {
                cook.variation = Variation {
                    thickness: 1.0 + amount,
                    ..none
                }
            }
            Self::Thinner => {
                cook.variation = Variation {
                    thickness: 1.0 - amount,
                    ..none
                }
            }
            Self::Colder => {
                cook.variation = Variation {
                    start: -amount,
                    ..none
                }
            }
            Self::Warmer => {
                cook.variation = Variation {
                    start: amount,
                    ..none
                }
            }
            Self::MachineWeaker => cook.variation = weaker(amount),
            Self::MachineStronger => cook.variation = weaker(-amount),
            Self::SetLower => {
                cook.variation = Variation {
                    setting: -amount,
                    ..none
                }
            }
            Self::SetHigher => {
                cook.variation = Variation {
                    setting: amount,
                    ..none
                }
            }
            Self::Crowded => {
                cook.variation = Variation {
                    exposure: 1.0 - amount,
                    ..none
                }
            }
            Self::NotPreheated if case.problem.preheated => {
                cook.request.preheat = PreheatRule::Never;
            }
            Self::NotTurned if case.planned_turn().is_some() => {
                cook.script.retain(|one| !is_turn(one))
            }
            Self::TurnedLate => {
                let at = case.planned_turn()?;
                move_turn(&mut cook, at + amount * (case.planned_out - at));
            }
            Self::OutTooSoon => cook.out *= 1.0 - amount,
            Self::OutTooLate => cook.out *= 1.0 + amount,
            Self::OpenedOften => {
                let times = amount as u32;
                let open = Action::Open(Interval::from_seconds(60.0));
                let at = |n: u32| cook.out * f64::from(n + 1) / f64::from(times + 1);
                let opened: Vec<Entry> = (0..times)
                    .map(|n| Entry {
                        at: at(n),
                        deed: Happened::Act(open),
                    })
                    .collect();
                cook.script.extend(opened);
            }
            Self::Wet if is_dried(case) => cook.request.surface = Surface::RAW,
            Self::SweetTooEarly if case.planned.request.sauce == SauceRule::LastMinutes => {
                let sauced = |one: &Entry| matches!(one.deed, Happened::Act(Action::Sauce(_)));
                for one in cook.script.iter_mut().filter(|one| sauced(one)) {
                    one.at = 0.0;
                }
            }
            Self::TipAside => {
                cook.reads_high = amount;
                // Nobody told when it came out: as much sooner as the thermometer showed the goal.
                if !case.out_told {
                    let goal = case.planned.inside.celsius();
                    let at = |core: f64| {
                        let picture = &case.plan.picture;
                        crate::curve::first_crossing(&picture.minutes, &picture.core, core)
                    };
                    cook.out -= 60.0 * (at(goal)? - at(goal - amount)?);
                }
            }
            Self::NotPreheated | Self::NotTurned | Self::Wet | Self::SweetTooEarly => return None,
        }
        Some(cook)
    }

    /// Whether what was told of the cook rules it out, or says it.
    fn is_told(self, case: &Case) -> bool {
        match self {
            Self::OutTooSoon | Self::OutTooLate => case.out_told,
            Self::TurnedLate => case.logged,
            Self::OpenedOften => case.logged,
            _ => false,
        }
    }
}

/// The machine so many kelvins cooler than its dial, with the weaker air that goes with it.
fn weaker(by: f64) -> Variation {
    Variation {
        setting: -by,
        heat: 1.0 - 0.005 * by,
        ..Variation::NONE
    }
}

fn is_dried(case: &Case) -> bool {
    let dried = |layer: Layer| matches!(layer, Layer::PattedDry | Layer::FridgeDried);
    case.planned.request.surface.layers().any(dried)
}

fn move_turn(cook: &mut Cook, at: f64) {
    for one in cook.script.iter_mut().filter(|one| is_turn(one)) {
        one.at = at;
    }
}

/// Every hidden cause with its amounts.
pub fn candidates(case: &Case) -> Vec<Vec<Candidate>> {
    let hidden = Cause::ALL.into_iter().filter(|cause| !cause.is_told(case));
    hidden
        .map(|cause| {
            let (prior, amounts) = (cause.prior(case), cause.amounts(case));
            let all_weights: f64 = RARER.iter().take(amounts.len()).sum();
            let family = amounts.iter().zip(RARER).filter_map(|(amount, weight)| {
                Some(Candidate {
                    cause,
                    amount: *amount,
                    prior: prior * weight / all_weights,
                    told: false,
                    cook: cause.tried(case, *amount)?,
                })
            });
            family.filter(|one| one.prior > 0.0).collect()
        })
        .collect()
}

/// What was told of the cook and was not planned so.
pub fn departures(case: &Case) -> Vec<Departure> {
    let mut all = Vec::new();
    let mut add = |cause, amount, undo| {
        all.push(Departure {
            cause,
            amount,
            undo,
        })
    };
    let apart = case.out - case.planned_out;
    if case.out_told && apart.abs() > ON_TIME {
        let cause = if apart < 0.0 {
            Cause::OutTooSoon
        } else {
            Cause::OutTooLate
        };
        add(
            cause,
            apart.abs() / case.planned_out,
            Undo::Out(case.planned_out),
        );
    }
    if let (true, Some(at), Some(turned)) = (case.logged, case.planned_turn(), case.turned())
        && turned - at > ON_TIME
    {
        let share = (turned - at) / (case.planned_out - at).max(1.0);
        add(Cause::TurnedLate, share, Undo::Turn(at));
    }
    let stood: f64 = case.base().script.iter().map(open).sum();
    if case.logged && stood > OPEN {
        add(Cause::OpenedOften, stood / 60.0, Undo::Shut);
    }
    all
}

/// How long the machine stands open for something done, s.
fn open(one: &Entry) -> f64 {
    match one.deed {
        Happened::Act(Action::Open(time)) => time.seconds(),
        _ => 0.0,
    }
}

impl Departure {
    /// A cook as it would have gone without it.
    pub fn undone(&self, mut cook: Cook) -> Cook {
        match self.undo {
            Undo::Out(out) => cook.out = out,
            Undo::Turn(at) => move_turn(&mut cook, at),
            Undo::Shut => cook.script.retain(|one| open(one) == 0.0),
        }
        cook
    }

    pub fn candidate(&self, case: &Case) -> Candidate {
        Candidate {
            cause: self.cause,
            amount: self.amount,
            prior: 1.0,
            told: true,
            cook: case.base(),
        }
    }
}

impl Candidate {
    /// In words, with how much of it.
    pub fn message(&self, case: &Case) -> Message {
        let request = case.planned.request;
        let kelvins = Quantity::Difference(TemperatureDifference::from_kelvins(self.amount));
        let thickness = |factor: f64| {
            let mm = request.thickness_used().millimetres();
            [mm * factor, mm].map(|mm| Quantity::Length(Length::from_millimetres(mm.round())))
        };
        let start = |by: f64| {
            let usual = request.start_temperature().celsius();
            [usual + by, usual].map(|at| Quantity::Temperature(Temperature::from_celsius(at)))
        };
        let late = |share: f64| {
            let seconds = share * case.planned_out;
            Quantity::Time(Interval::from_minutes((seconds / 60.0).round().max(1.0)))
        };
        match self.cause {
            Cause::Thicker => Message::with(
                "The thickest part was about {}, not {}",
                thickness(1.0 + self.amount),
            ),
            Cause::Thinner => Message::with(
                "The thickest part was only about {}, not {}",
                thickness(1.0 - self.amount),
            ),
            Cause::Colder => Message::with(
                "The meat was at about {} when it went in, not {}",
                start(-self.amount),
            ),
            Cause::Warmer => Message::with(
                "The meat was at about {} when it went in, not {}",
                start(self.amount),
            ),
            Cause::MachineWeaker => Message::with(
                "The machine runs about {} cooler than its dial says",
                [kelvins],
            ),
            Cause::MachineStronger => Message::with(
                "The machine runs about {} hotter than its dial says",
                [kelvins],
            ),
            Cause::Crowded => Message::plain(format!(
                "The pieces lay too close: the air reached about {:.0} % less of them",
                100.0 * self.amount
            )),
            Cause::NotPreheated => "The machine was cold when the meat went in".into(),
            Cause::NotTurned => "The pieces were not turned".into(),
            Cause::TurnedLate => Message::with(
                "They were turned {} later than planned",
                [Quantity::Time(Interval::from_minutes(
                    (self.amount * (case.planned_out - case.planned_turn().unwrap_or_default())
                        / 60.0)
                        .round()
                        .max(1.0),
                ))],
            ),
            Cause::OutTooSoon => {
                Message::with("They came out {} sooner than planned", [late(self.amount)])
            }
            Cause::OutTooLate => {
                Message::with("They stayed in {} longer than planned", [late(self.amount)])
            }
            Cause::OpenedOften if self.told => Message::with(
                "The machine stood open for {} in all",
                [Quantity::Time(Interval::from_minutes(self.amount.round()))],
            ),
            Cause::OpenedOften => Message::plain(format!(
                "The machine was opened {:.0} times more, for a minute each",
                self.amount
            )),
            Cause::SetLower => Message::with("The dial stood {} too low", [kelvins]),
            Cause::SetHigher => Message::with("The dial stood {} too high", [kelvins]),
            Cause::Wet => "The surface was wet when the meat went in".into(),
            Cause::SweetTooEarly => "The sauce went on at the beginning".into(),
            Cause::TipAside => Message::with(
                "The thermometer showed about {} more than the coldest spot had",
                [kelvins],
            ),
        }
    }
}
