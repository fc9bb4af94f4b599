//! What went wrong: that the cause which was put into a cook is found, from what was seen and read of it.

use ember_core::diagnosis::{Cause, Diagnosis, Symptom, diagnose};
use ember_core::fryer::{Machine, PRESETS};
use ember_core::live::{Planned, PlannedStep, Told, What};
use ember_core::meat::CutId;
use ember_core::plan::{Outside, Request, StepKind, plan, synthetic};
use ember_core::units::Temperature;

fn drum() -> Machine {
    PRESETS[1].machine()
}

fn ask(request: &Request, told: &[Told], symptoms: &[Symptom]) -> Diagnosis {
    let plan = plan(request).unwrap();
    let steps = PlannedStep::all(&plan);
    let planned = Planned::of(request, &plan, &steps);
    diagnose(planned, &plan, 0.0, told, symptoms).unwrap()
}

fn causes(found: &Diagnosis) -> Vec<Cause> {
    found.causes.iter().map(|one| one.cause).collect()
}

/// What a cook tells that went as planned but for what is given: loaded, turned, out, with readings.
fn log(request: &Request, out: f64, turned: bool, readings: &[(f64, f64)]) -> Vec<Told> {
    let plan = plan(request).unwrap();
    let steps = PlannedStep::all(&plan);
    let planned = Planned::of(request, &plan, &steps);
    let mut what = vec![(0.0, What::Done(planned.find(StepKind::Load, 1).unwrap()))];
    if let Some(turn) = planned.find(StepKind::Turn, 1).filter(|_| turned) {
        what.push((plan.turn_at.unwrap().seconds(), What::Done(turn)));
    }
    let read = |(at, core): &(f64, f64)| (*at, What::Reading(Temperature::from_celsius(*core)));
    what.extend(readings.iter().map(read));
    what.push((out, What::TakenOut));
    what.sort_by(|a, b| a.0.total_cmp(&b.0));
    let told = what.into_iter().enumerate();
    told.map(|(n, (at, what))| Told {
        id: n as u128 + 1,
        at,
        batch: Some(1),
        what,
    })
    .collect()
}

/// The core of a cook whose unknowns are given, at some minutes.
fn core_of(request: &Request, deviations: [f64; 5], minutes: &[f64]) -> Vec<(f64, f64)> {
    let cook = synthetic(request, deviations).unwrap();
    let core_at = |minute: f64| {
        let after = cook.minutes.iter().position(|at| *at >= minute).unwrap();
        cook.core[after]
    };
    minutes
        .iter()
        .map(|minute| (60.0 * minute, core_at(*minute)))
        .collect()
}

#[test]
fn causes_go_the_way_they_are_seen() {
    // Common practice: a thick or cold piece, a weak machine, a crowded basket leave it raw; never the opposite.
    let request = Request::usual(CutId::Drumstick, drum());
    let raw = causes(&ask(&request, &[], &[Symptom::RawInside]));
    let slow = [
        Cause::Thicker,
        Cause::OutTooSoon,
        Cause::MachineWeaker,
        Cause::TipAside,
        Cause::Crowded,
    ];
    assert!(
        raw.len() >= 3 && raw.iter().all(|cause| slow.contains(cause)),
        "{raw:?}"
    );
    let dry = causes(&ask(&request, &[], &[Symptom::Dry]));
    let quick = [
        Cause::Thinner,
        Cause::OutTooLate,
        Cause::MachineStronger,
        Cause::Warmer,
        Cause::SetHigher,
    ];
    assert!(
        dry.len() >= 2 && dry.iter().all(|cause| quick.contains(cause)),
        "{dry:?}"
    );
    // Common practice: a crowded basket browns worse, and what is not turned is uneven.
    let pale = causes(&ask(&request, &[], &[Symptom::Pale, Symptom::SoggyBelow]));
    assert!(pale.contains(&Cause::Crowded), "{pale:?}");
    let uneven = causes(&ask(&request, &[], &[Symptom::Uneven]));
    assert_eq!(uneven.first(), Some(&Cause::NotTurned), "{uneven:?}");
}

#[test]
fn a_piece_that_was_put_in_thicker_is_found_by_one_reading() {
    let request = Request::usual(CutId::Drumstick, drum());
    let out = plan(&request).unwrap().pull_at.seconds();
    // Two deviations thicker: colder than planned at 12 min, raw when it comes out as planned.
    let cold = core_of(&request, [2.0, 0.0, 0.0, 0.0, 0.0], &[12.0, 18.0]);
    let found = ask(
        &request,
        &log(&request, out, true, &cold),
        &[Symptom::RawInside],
    );
    assert_eq!(
        found.causes[0].cause,
        Cause::Thicker,
        "{:?}",
        causes(&found)
    );
    // What was told rules out what it rules out.
    assert!(!causes(&found).contains(&Cause::OutTooSoon));
    // Measured with a ruler, the same readings are no thick piece any more.
    let measured = Request {
        thickness: Some(request.thickness_used()),
        ..request
    };
    let found = ask(
        &measured,
        &log(&measured, out, true, &cold),
        &[Symptom::RawInside],
    );
    assert_ne!(
        found.causes[0].cause,
        Cause::Thicker,
        "{:?}",
        causes(&found)
    );
}

#[test]
fn what_was_told_is_blamed_only_as_far_as_it_matters() {
    let request = Request::usual(CutId::Drumstick, drum());
    let out = plan(&request).unwrap().pull_at.seconds();
    let early = ask(
        &request,
        &log(&request, out - 400.0, true, &[]),
        &[Symptom::RawInside],
    );
    let first = &early.causes[0];
    assert!(
        first.told && first.cause == Cause::OutTooSoon,
        "{:?}",
        causes(&early)
    );
    assert!(early.foreseen);
    // As much too late says nothing of why it was raw.
    let late = ask(
        &request,
        &log(&request, out + 400.0, true, &[]),
        &[Symptom::RawInside],
    );
    assert!(
        late.causes.iter().all(|one| !one.told),
        "{:?}",
        causes(&late)
    );
}

#[test]
fn a_reading_beside_the_coldest_spot_is_found() {
    // It read done, was done by its own reading, and was raw: the tip was elsewhere.
    let request = Request::usual(CutId::BoneInThigh, drum());
    let plan = plan(&request).unwrap();
    let out = 0.82 * plan.pull_at.seconds();
    let read = [(out - 30.0, plan.target.core.celsius() + 2.0)];
    let found = ask(
        &request,
        &log(&request, out, true, &read),
        &[Symptom::RawInside],
    );
    assert!(
        causes(&found).contains(&Cause::TipAside),
        "{:?}",
        causes(&found)
    );
    let without = ask(
        &request,
        &log(&request, out, true, &[]),
        &[Symptom::RawInside],
    );
    let share = |found: &Diagnosis| {
        let mut all = found.causes.iter();
        all.find(|one| one.cause == Cause::TipAside)
            .map_or(0.0, |one| one.share)
    };
    assert!(share(&found) > 2.0 * share(&without));
}

#[test]
fn the_measurement_tells_apart_and_the_change_helps() {
    let request = Request::usual(CutId::Drumstick, drum());
    let found = ask(&request, &[], &[Symptom::RawInside]);
    let measure = found.measure.as_ref().unwrap();
    let values: Vec<String> = measure
        .shows
        .iter()
        .map(|(_, shows)| format!("{shows:?}"))
        .collect();
    assert!(values.is_empty() || values.iter().any(|one| *one != values[0]));
    for one in &found.causes {
        let next = one.next.as_ref().unwrap();
        assert!(next.outcome.peak >= request.target, "{:?}", one.cause);
        assert!(next.outcome.peak > one.outcome.peak, "{:?}", one.cause);
        assert!(next.request.check().is_ok());
    }
    let total: f64 = found.causes.iter().map(|one| one.share).sum();
    assert!(total > 0.5 && total <= 1.0);
}

#[test]
fn what_the_plan_itself_leads_to_is_said_to_be_so() {
    let chops = Request {
        outside: Some(Outside::AsItComes),
        ..Request::usual(CutId::PorkChop, drum())
    };
    let found = ask(&chops, &[], &[Symptom::Pale]);
    assert!(found.foreseen);
    let otherwise = found.otherwise.unwrap();
    assert_eq!(otherwise.request.outside, Some(Outside::Golden));
    assert!(otherwise.outcome.faces[0] > found.expected.faces[0]);
}

#[test]
fn where_the_model_cannot_tell_there_is_practice_and_no_figure() {
    let roast = Request::usual(CutId::PorkLoinRoast, drum());
    for symptom in [
        Symptom::Stuck,
        Symptom::SpitStoodStill,
        Symptom::CoatingFellOff,
    ] {
        let found = ask(&roast, &[], &[symptom]);
        assert!(found.causes.is_empty() && found.measure.is_none());
        assert!(!found.practice.is_empty(), "{symptom:?}");
    }
}

#[test]
fn what_was_told_is_blamed_also_in_a_machine_that_is_off() {
    // A guessed chop in a machine that is hotter than its dial, and four minutes too long in it: the minutes are
    // what made it dry, whatever the readings say of the machine besides.
    let chops = Request::usual(CutId::PorkChop, drum());
    let out = plan(&chops).unwrap().pull_at.seconds();
    let hot = core_of(&chops, [0.0, 0.0, -0.6, -1.0, 0.0], &[8.0, 11.0]);
    let mut read = hot.clone();
    read.push((out + 230.0, chops.target.celsius() + 18.0));
    let found = ask(
        &chops,
        &log(&chops, out + 240.0, true, &read),
        &[Symptom::Dry],
    );
    let first = &found.causes[0];
    assert!(
        first.told && first.cause == Cause::OutTooLate,
        "{:?}",
        causes(&found)
    );
    // A tip in the wrong place makes nothing dry.
    assert!(!causes(&found).contains(&Cause::TipAside));
}
