//! The one change for next time, planned.

use super::cause::{Candidate, Cause};
use super::cook::Case;
use super::{Outcome, Symptom};
use crate::meat::{Browning, Surface};
use crate::plan::{LoadRule, Outside, Plan, PreheatRule, Request, Start, plan};
use crate::units::{Interval, Length, Message, Quantity, Temperature, TemperatureDifference};

/// What to do otherwise.
#[derive(Debug, Clone, PartialEq)]
pub struct NextTime {
    /// In words.
    pub message: Message,
    /// The sentence with it.
    pub request: Request,
    /// What it comes to, if the cause is what it is taken for.
    pub outcome: Outcome,
}

/// Room that is left around pieces that lay too close, against the plan's, mm.
const WIDER: f64 = 8.0;

pub(super) fn next(case: &Case, candidate: &Candidate) -> Option<NextTime> {
    let own = case.planned.request;
    let (message, request, truth) = change(own, case, candidate);
    planned_anew(case, message, request, &truth)
}

/// What to plan otherwise where the plan itself leads there.
pub(super) fn otherwise(case: &Case, symptoms: &[Symptom]) -> Option<NextTime> {
    let outside = symptoms.iter().find_map(|one| match one {
        Symptom::Pale => Some(Outside::Golden),
        Symptom::SoggyBelow => Some(Outside::Crisp),
        _ => None,
    })?;
    let request = Request {
        outside: Some(outside),
        ..case.planned.request.clone()
    };
    let message = Message::plain(format!("Plan it until {}", outside.words()));
    planned_anew(case, message, request.clone(), &request)
}

fn planned_anew(
    case: &Case,
    message: Message,
    request: Request,
    truth: &Request,
) -> Option<NextTime> {
    let planned = plan(truth).ok()?;
    let before = Quantity::Time(case.plan.pull_at);
    let mut values = message.values;
    values.extend([Quantity::Time(planned.pull_at), before]);
    let minutes = |time: Interval| time.minutes().round();
    let text = if minutes(planned.pull_at) == minutes(case.plan.pull_at) {
        values.pop();
        format!("{}: out after {{}}", message.text)
    } else {
        format!("{}: out after {{}} instead of {{}}", message.text)
    };
    Some(NextTime {
        message: Message::with(text, values),
        outcome: outcome(&planned),
        request,
    })
}

fn outcome(plan: &Plan) -> Outcome {
    Outcome {
        out_at: plan.pull_at,
        core: plan.pull_core,
        peak: plan.peak_core,
        faces: plan.outcomes.faces.map(|face| Browning::of(face.amount)),
    }
}

/// The change in words, the sentence with it, and the same as the kitchen then is.
fn change(own: &Request, case: &Case, candidate: &Candidate) -> (Message, Request, Request) {
    let same = |message: Message, request: Request| (message, request.clone(), request);
    let with = |change: &dyn Fn(&mut Request)| {
        let mut request = own.clone();
        change(&mut request);
        request
    };
    let inside = Quantity::Temperature(case.plan.readings.done);
    match candidate.cause {
        Cause::Thicker | Cause::Thinner => {
            let mm = own.thickness_used().millimetres() * candidate.cook.variation.thickness;
            let thickness = Length::from_millimetres(mm.round());
            same(
                Message::with("Measure, and plan with {}", [Quantity::Length(thickness)]),
                with(&|request| request.thickness = Some(thickness)),
            )
        }
        Cause::Colder | Cause::Warmer => {
            let by = TemperatureDifference::from_kelvins(candidate.cook.variation.start);
            let start = own.start_temperature() + by;
            same(
                Message::with("Plan with meat at {}", [Quantity::Temperature(start)]),
                with(&|request| {
                    request.ahead.clear();
                    request.start = Start::Measured(start);
                }),
            )
        }
        Cause::MachineWeaker | Cause::MachineStronger => hotter(own, case, candidate),
        Cause::Crowded => same(
            Message::plain("Leave a finger's width around each piece, in two batches if need be"),
            with(&|request| {
                request.load = LoadRule::WithAir;
                request.layout = None;
                request.gap = Length::from_millimetres(own.gap.millimetres() + WIDER);
            }),
        ),
        Cause::NotPreheated => same(
            Message::plain("Preheat"),
            with(&|request| request.preheat = PreheatRule::Always),
        ),
        Cause::NotTurned | Cause::TurnedLate => {
            let turn = case.plan.turn_at.unwrap_or(Interval::from_seconds(0.0));
            same(
                Message::with("Turn after {}", [Quantity::Time(turn)]),
                own.clone(),
            )
        }
        Cause::OutTooSoon => same(
            Message::with(
                "Out when the coldest spot shows {}, not by the clock",
                [inside],
            ),
            own.clone(),
        ),
        Cause::OutTooLate => same(
            Message::with(
                "Check from {} on, and take it out at {}",
                [Quantity::Time(case.plan.check_from), inside],
            ),
            own.clone(),
        ),
        Cause::OpenedOften => same(
            Message::plain("Leave it shut but for the turn and the check"),
            own.clone(),
        ),
        Cause::SetLower | Cause::SetHigher => same(
            Message::with("Set {}", [Quantity::Setting(case.plan.setting)]),
            own.clone(),
        ),
        Cause::Wet => same(
            Message::plain("Dry it uncovered in the fridge, and blot it on the way"),
            with(&|request| {
                if request.surface == Surface::PATTED_DRY || request.surface == Surface::RUBBED {
                    request.surface = Surface::FRIDGE_DRIED;
                }
            }),
        ),
        Cause::SweetTooEarly => same(
            Message::plain("Sauce only for the last minutes"),
            own.clone(),
        ),
        Cause::TipAside => same(
            Message::with("Read three places: out when the lowest shows {}", [inside]),
            own.clone(),
        ),
    }
}

/// The dial as much higher, or lower, as the machine is off, as far as it goes.
fn hotter(own: &Request, case: &Case, candidate: &Candidate) -> (Message, Request, Request) {
    let off = candidate.cook.variation;
    let wanted = Temperature::from_celsius(case.plan.setting.celsius() - off.setting);
    let setting = own.machine.nearest_mark(wanted);
    let request = Request {
        setting: Some(setting),
        ..own.clone()
    };
    let mut truth = request.clone();
    truth.machine.calibration.heat *= off.heat;
    truth.machine.calibration.offset = TemperatureDifference::from_kelvins(
        truth.machine.calibration.offset.kelvins() + off.setting,
    );
    (
        Message::with("Set {} in this machine", [Quantity::Setting(setting)]),
        request,
        truth,
    )
}
