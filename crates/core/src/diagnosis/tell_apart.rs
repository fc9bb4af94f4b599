//! The one measurement that would tell the likeliest causes apart.

use super::Ranked;
use super::cause::Cause;
use super::cook::Case;
use crate::units::{Interval, Length, Message, Quantity, Temperature};

/// What to measure next time.
#[derive(Debug, Clone, PartialEq)]
pub struct Measurement {
    /// What to do.
    pub message: Message,
    /// What it shows by each of the causes that it tells apart, in their order; empty for what is seen, not read.
    pub shows: Vec<(Cause, Quantity)>,
}

/// What can be measured in a kitchen.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Measure {
    Ruler,
    BeforeLoading,
    EmptyMachine,
    HalfWay,
    SecondPlace,
    Layout,
    Clock,
    Surface,
}

impl Measure {
    const ALL: [Self; 8] = [
        Self::Ruler,
        Self::BeforeLoading,
        Self::EmptyMachine,
        Self::HalfWay,
        Self::SecondPlace,
        Self::Layout,
        Self::Clock,
        Self::Surface,
    ];

    /// How far it is off by itself, in its own unit (common practice in kind, from memory in size).
    fn noise(self, case: &Case) -> f64 {
        match self {
            Self::Ruler => 0.04 * case.planned.request.thickness_used().millimetres(),
            Self::BeforeLoading => 1.5,
            Self::EmptyMachine => 5.0,
            Self::HalfWay => 4.0,
            Self::SecondPlace => 3.0,
            Self::Layout => 0.12,
            Self::Clock => 60.0,
            Self::Surface => 0.4,
        }
    }

    /// What it shows by a cause.
    fn shows(self, case: &Case, one: &Ranked) -> f64 {
        let (cook, cause) = (&one.candidate.cook, one.candidate.cause);
        let request = case.planned.request;
        match self {
            Self::Ruler => request.thickness_used().millimetres() * cook.variation.thickness,
            Self::BeforeLoading => request.start_temperature().celsius() + cook.variation.start,
            // What was dialled wrong is no fault of the machine.
            Self::EmptyMachine if matches!(cause, Cause::SetLower | Cause::SetHigher) => {
                case.problem.true_to(case.plan.setting.celsius())
            }
            Self::EmptyMachine => {
                case.problem.true_to(case.plan.setting.celsius()) + cook.variation.setting
            }
            Self::HalfWay => one.seen.half_way,
            Self::SecondPlace => cook.reads_high,
            Self::Layout => 1.0 - cook.variation.exposure,
            Self::Clock => match cause {
                Cause::OutTooSoon | Cause::OutTooLate => cook.out,
                Cause::TurnedLate => case.planned_out - 300.0,
                Cause::NotTurned => case.planned_out - 600.0,
                _ => case.planned_out,
            },
            Self::Surface => f64::from(u8::from(matches!(
                cause,
                Cause::Wet | Cause::NotPreheated | Cause::SweetTooEarly
            ))),
        }
    }

    fn message(self, case: &Case) -> Message {
        let half = Quantity::Time(Interval::from_minutes(
            (case.planned_out / 120.0).round().max(1.0),
        ));
        match self {
            Self::Ruler => "Measure the thickest piece with a ruler".into(),
            Self::BeforeLoading => "Read the core before the meat goes in".into(),
            Self::EmptyMachine => Message::with(
                "Let the empty machine run for 10 min at {} with an air thermometer in it",
                [Quantity::Setting(case.plan.setting)],
            ),
            Self::HalfWay => Message::with("Read the core once after {}", [half]),
            Self::SecondPlace => {
                "Read a second time, a finger's width away, and two other pieces: the lowest counts"
                    .into()
            }
            Self::Layout => {
                "Take a photograph of the loaded basket, and see whether the pieces touch".into()
            }
            Self::Clock => {
                "Write down when they go in, are turned and come out: Cook now does".into()
            }
            Self::Surface => {
                "Touch the surface, and see that the machine is hot, before they go in".into()
            }
        }
    }

    fn quantity(self, value: f64) -> Option<Quantity> {
        match self {
            Self::Ruler => Some(Quantity::Length(Length::from_millimetres(value.round()))),
            Self::BeforeLoading | Self::EmptyMachine | Self::HalfWay => {
                Some(Quantity::Temperature(Temperature::from_celsius(value)))
            }
            Self::SecondPlace | Self::Layout | Self::Clock | Self::Surface => None,
        }
    }
}

/// The measurement on which the likeliest causes differ most, weighted by how likely each pair of them is: how sure
/// one would then be which of the two it was.
pub(super) fn best(case: &Case, ranked: &[Ranked]) -> Option<Measurement> {
    let tells = |measure: Measure| -> f64 {
        let noise = measure.noise(case);
        let mut sum = 0.0;
        for (n, a) in ranked.iter().enumerate() {
            for b in ranked.iter().skip(n + 1) {
                let apart = (measure.shows(case, a) - measure.shows(case, b)) / noise;
                sum += a.share * b.share * (1.0 - (-apart * apart / 8.0).exp());
            }
        }
        sum
    };
    let (measure, sum) = Measure::ALL
        .into_iter()
        .map(|measure| (measure, tells(measure)))
        .max_by(|a, b| a.1.total_cmp(&b.1))?;
    (sum > 1e-3).then(|| Measurement {
        message: measure.message(case),
        shows: ranked
            .iter()
            .filter_map(|one| {
                Some((
                    one.candidate.cause,
                    measure.quantity(measure.shows(case, one))?,
                ))
            })
            .collect(),
    })
}
