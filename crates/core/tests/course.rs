//! A cook under way: due times, readings, restarts.
#![allow(clippy::unwrap_used, clippy::indexing_slicing)]

use ember_core::course::{Course, Event, Happening, Planned, PlannedStep};
use ember_core::plan::StepKind::{Check, Load, Preheat, Pull, Rest, Serve, Turn};
use ember_core::units::{Interval, Temperature};

const START: f64 = 1_000_000.0;
const MINUTES: [f64; 4] = [0.0, 10.0, 20.0, 30.0];
const CORE: [f64; 4] = [4.0, 34.0, 64.0, 94.0];

fn steps() -> Vec<PlannedStep> {
    [
        (Preheat, -4.0),
        (Load, 0.0),
        (Turn, 12.0),
        (Check, 18.0),
        (Pull, 24.0),
        (Rest, 24.0),
        (Serve, 29.0),
    ]
    .map(|(kind, minutes)| PlannedStep {
        kind,
        at: Interval::from_minutes(minutes),
    })
    .to_vec()
}

fn course(events: &[(f64, Happening)]) -> Course {
    let steps = steps();
    let planned = Planned {
        steps: &steps,
        minutes: &MINUTES,
        core: &CORE,
        ensemble: None,
        pull_core: Temperature::from_celsius(76.0),
        outside_at: None,
        offset: ember_core::units::TemperatureDifference::from_kelvins(0.0),
    };
    let events: Vec<Event> = events
        .iter()
        .map(|(minutes, what)| Event {
            at: START + minutes * 60.0,
            what: *what,
        })
        .collect();
    Course::fold(planned, START, &events)
}

fn due(course: &Course, step: usize) -> f64 {
    (course.steps[step].due - START) / 60.0
}

fn reading(celsius: f64) -> Happening {
    Happening::Reading {
        core: Temperature::from_celsius(celsius),
        air: None,
    }
}

#[test]
fn a_fresh_course_starts_with_the_first_step_now() {
    let course = course(&[]);
    assert_eq!(course.current, Some(0));
    assert_eq!((due(&course, 0), due(&course, 2)), (0.0, 16.0));
}

#[test]
fn everything_moves_with_the_loading() {
    let course = course(&[(0.0, Happening::StepDone(0)), (6.0, Happening::StepDone(1))]);
    assert_eq!(course.current, Some(2));
    assert_eq!(due(&course, 2), 18.0);
    assert_eq!(due(&course, 4), 30.0);
}

/// Two devices tell the same loading, or one is tapped twice: the pull stays where the first put it.
#[test]
fn a_loading_told_twice_moves_nothing() {
    let once = course(&[(4.0, Happening::StepDone(1))]);
    let twice = course(&[(4.0, Happening::StepDone(1)), (9.0, Happening::StepDone(1))]);
    assert_eq!(twice, once);
    // What comes before the step is done with it, and telling that later moves nothing either.
    let preheat = course(&[(4.0, Happening::StepDone(1)), (9.0, Happening::StepDone(0))]);
    assert_eq!(due(&preheat, 4), due(&once, 4));
}

#[test]
fn a_late_turn_is_kept_as_done_and_moves_nothing() {
    let course = course(&[
        (4.0, Happening::StepDone(1)),
        (19.0, Happening::StepDone(2)),
    ]);
    assert_eq!(course.steps[2].done, Some(START + 19.0 * 60.0));
    assert_eq!(due(&course, 4), 28.0);
    assert_eq!(course.current, Some(3));
}

#[test]
fn an_open_door_delays_what_is_left_but_only_while_it_cooks() {
    let open = Happening::DoorOpened(Interval::from_seconds(60.0));
    assert_eq!(due(&course(&[(1.0, open)]), 4), 28.0);
    let while_cooking = course(&[(4.0, Happening::StepDone(1)), (10.0, open)]);
    assert_eq!(due(&while_cooking, 4), 29.0);
}

/// On the straight curve 4 °C + 3 °C/min, 55 °C is minute 17 and 76 °C minute 24.
#[test]
fn a_reading_tells_the_minutes_more_and_moves_the_pull() {
    let behind = course(&[(4.0, Happening::StepDone(1)), (24.0, reading(55.0))]);
    let forecast = behind.forecast.unwrap();
    assert!((forecast.expected.celsius() - 64.0).abs() < 1e-9);
    assert!((forecast.more.minutes() - 7.0).abs() < 1e-9);
    assert!((due(&behind, 4) - 31.0).abs() < 1e-9);
    assert!((due(&behind, 6) - 36.0).abs() < 1e-9);
    // The turn, which comes before, stays.
    assert_eq!(due(&behind, 2), 16.0);

    let there = course(&[(4.0, Happening::StepDone(1)), (23.0, reading(78.0))]);
    assert_eq!(there.forecast.unwrap().more.minutes(), 0.0);
    assert!((due(&there, 4) - 23.0).abs() < 1e-9);
}

#[test]
fn a_reading_without_meat_in_the_machine_says_nothing() {
    assert_eq!(course(&[(1.0, reading(20.0))]).forecast, None);
}

#[test]
fn pulling_closes_what_came_before_and_finishing_ends_it() {
    let pulled = course(&[(4.0, Happening::StepDone(1)), (27.0, Happening::Pulled)]);
    assert_eq!(pulled.pulled, Some(START + 27.0 * 60.0));
    assert_eq!(pulled.current, Some(5));
    assert_eq!(due(&pulled, 6), 32.0);
    let finished = course(&[
        (4.0, Happening::StepDone(1)),
        (27.0, Happening::Pulled),
        (40.0, Happening::Finished),
    ]);
    assert_eq!(finished.current, None);
    assert!(finished.finished.is_some());
}

#[test]
fn a_step_that_does_not_exist_changes_nothing() {
    assert_eq!(course(&[(1.0, Happening::StepDone(99))]), course(&[]));
}
