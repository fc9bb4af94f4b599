//! Six set pieces in the order of the work.

use crate::fryer::{Machine, PRESETS};
use crate::meat::CutId;
use crate::plan::{PreheatRule, Request, SauceRule};
use crate::units::{Length, Mass, Temperature};

/// What is practised.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Exercise {
    /// Thin and thick chops together: one after the other out.
    ThinAndThick,
    /// Too many wings for one layer: all at once, or in two batches.
    CrowdedBasket,
    /// A second batch of drumsticks in a hot machine.
    SecondBatch,
    /// A thick chop that rises while it rests.
    CarryOver,
    /// Drumsticks with a sauce that burns.
    SauceAndSugar,
    /// Thighs, and a bone beside which a thermometer shows too much.
    BesideTheBone,
}

/// Pieces that go in together and come out together.
#[derive(Debug, Clone, PartialEq)]
pub struct Lot {
    /// The cook's word for it.
    pub name: &'static str,
    /// The known facts: the sentence of a plan.
    pub request: Request,
}

impl Exercise {
    /// Every one, in the order of the work.
    pub const ALL: [Self; 6] = [
        Self::CrowdedBasket,
        Self::ThinAndThick,
        Self::SauceAndSugar,
        Self::BesideTheBone,
        Self::CarryOver,
        Self::SecondBatch,
    ];

    /// Whether its lots lie in the machine together; otherwise they go in one after the other.
    #[must_use]
    pub const fn is_together(self) -> bool {
        matches!(self, Self::ThinAndThick)
    }

    /// Whether the learner chooses how they lie: with space between, or all at once.
    #[must_use]
    pub const fn may_crowd(self) -> bool {
        matches!(self, Self::CrowdedBasket)
    }

    /// Whether there is a sauce to brush on.
    #[must_use]
    pub const fn has_sauce(self) -> bool {
        matches!(self, Self::SauceAndSugar)
    }

    /// The machine of the exercise, as the player knows it.
    #[must_use]
    pub fn machine(self) -> Machine {
        let [_, drawer, ..] = &PRESETS;
        drawer.machine()
    }

    /// The lots, by their layout.
    ///
    /// ```
    /// use ember_core::practice::Exercise;
    /// assert_eq!(Exercise::CrowdedBasket.lots(true).len(), 2);
    /// assert_eq!(Exercise::CrowdedBasket.lots(false).len(), 1);
    /// for exercise in Exercise::ALL {
    ///     assert!(exercise.lots(true).iter().all(|lot| lot.request.check().is_ok()));
    /// }
    /// ```
    #[must_use]
    pub fn lots(self, with_space: bool) -> Vec<Lot> {
        let of = |cut: CutId| Request::usual(cut, self.machine());
        let lot = |name, request| Lot { name, request };
        match self {
            Self::ThinAndThick => {
                let chop = |millimetres: f64, grams: f64| Request {
                    pieces: 2,
                    mass: Mass::from_grams(grams),
                    thickness: Some(Length::from_millimetres(millimetres)),
                    ..of(CutId::PorkChop)
                };
                vec![
                    lot("the thin chops", chop(18.0, 140.0)),
                    lot("the thick chops", chop(32.0, 250.0)),
                ]
            }
            Self::CrowdedBasket => {
                let wings = |pieces: u32| Request {
                    pieces,
                    load: crate::plan::LoadRule::AllAtOnce,
                    ..of(CutId::PartyWing)
                };
                if with_space {
                    vec![
                        lot("the first half", wings(12)),
                        lot("the second half", wings(12)),
                    ]
                } else {
                    vec![lot("all the wings", wings(24))]
                }
            }
            Self::SecondBatch => {
                let drumsticks = |preheat| Request {
                    pieces: 6,
                    preheat,
                    ..of(CutId::Drumstick)
                };
                vec![
                    lot("the first batch", drumsticks(PreheatRule::Never)),
                    lot("the second batch", drumsticks(PreheatRule::Hot)),
                ]
            }
            Self::CarryOver => {
                let chop = Request {
                    pieces: 2,
                    mass: Mass::from_grams(380.0),
                    thickness: Some(Length::from_millimetres(45.0)),
                    target: Temperature::from_celsius(65.0),
                    ..of(CutId::PorkChop)
                };
                vec![lot("the chops", chop)]
            }
            Self::SauceAndSugar => {
                let drumsticks = Request {
                    sauce: SauceRule::LastMinutes,
                    sugar: Some(0.4),
                    ..of(CutId::Drumstick)
                };
                vec![lot("the drumsticks", drumsticks)]
            }
            Self::BesideTheBone => vec![lot("the thighs", of(CutId::BoneInThigh))],
        }
    }
}
