//! What a reading says about the rest of the cook: against cooks computed in full, and that it decides
//! the inside only.
#![allow(clippy::unwrap_used, clippy::indexing_slicing)]

use ember_core::course::{Course, Event, Happening, Planned, PlannedStep};
use ember_core::fryer::PRESETS;
use ember_core::meat::CutId;
use ember_core::plan::{Decides, Outside, Plan, Request, StepKind, plan, synthetic_pull};
use ember_core::units::{Interval, Temperature, TemperatureDifference};

fn celsius(value: f64) -> Temperature {
    Temperature::from_celsius(value)
}

/// A cook from loading to a reading so many minutes later.
fn read(plan: &Plan, offset: f64, minute: f64, core: f64) -> Course {
    let steps: Vec<PlannedStep> = plan
        .steps
        .iter()
        .map(|step| PlannedStep {
            kind: step.kind,
            at: step.at,
        })
        .collect();
    let load = steps
        .iter()
        .position(|step| step.kind == StepKind::Load)
        .unwrap();
    let planned = Planned {
        steps: &steps,
        minutes: &plan.picture.minutes,
        core: &plan.picture.core,
        ensemble: plan.ensemble.as_ref(),
        pull_core: plan.pull_core_shown(),
        outside_at: (plan.goals.decides == Decides::Outside).then_some(plan.pull_at),
        offset: TemperatureDifference::from_kelvins(offset),
    };
    let events = [
        Event {
            at: 0.0,
            what: Happening::StepDone(load),
        },
        Event {
            at: minute * 60.0,
            what: Happening::Reading {
                core: celsius(core),
                air: None,
            },
        },
    ];
    Course::fold(planned, 0.0, &events)
}

/// Cooks that the plan did not know: each is read two thirds of the way in, and what is then said to be
/// left is nearer to what was left than the plan was (computed in full on the fine grid).
#[test]
fn a_reading_brings_the_forecast_nearer() {
    let (mut planned, mut forecast) = (0.0, 0.0);
    for id in [CutId::BoneInThigh, CutId::BeefRoast, CutId::BonelessBreast] {
        let mut request = Request::usual(id, PRESETS[2].machine());
        request.outside = Some(Outside::AsItComes);
        let plan = plan(&request).unwrap();
        let ensemble = plan.ensemble.as_ref().unwrap();
        for side in [-1.2, -0.6, 0.6, 1.2] {
            let out = synthetic_pull(&request, [side, side, 0.0, 0.0, side]).unwrap();
            // The member of the band that ends as that cook does stands for its course.
            let like = ensemble
                .members
                .iter()
                .min_by(|a, b| {
                    let apart = |pull: f64| (pull - out.minutes()).abs();
                    apart(a.pull).total_cmp(&apart(b.pull))
                })
                .unwrap();
            let minute = plan.pull_at.minutes() * 2.0 / 3.0;
            let at = like.minutes.iter().position(|passed| *passed > minute);
            let Some(at) = at.filter(|at| *at > 0) else {
                continue;
            };
            let part = (minute - like.minutes[at - 1]) / (like.minutes[at] - like.minutes[at - 1]);
            let core =
                ensemble.levels[at - 1] + part * (ensemble.levels[at] - ensemble.levels[at - 1]);
            let more = ensemble
                .after(Interval::from_minutes(minute), celsius(core))
                .more;
            planned += (plan.pull_at.minutes() - out.minutes()).abs();
            forecast += (minute + more.minutes() - out.minutes()).abs();
        }
    }
    assert!(
        forecast < 0.7 * planned,
        "{forecast:.1} against {planned:.1} min"
    );
}

/// By hand: pale wings at 94 °C were "there, take it out"; the outside still has its time.
#[test]
fn a_reading_decides_the_inside_only() {
    let plan = plan(&Request::usual(CutId::PartyWing, PRESETS[1].machine())).unwrap();
    assert_eq!(plan.goals.decides, Decides::Outside);
    let course = read(&plan, 0.0, 14.0, 94.0);
    let forecast = course.forecast.unwrap();
    assert!(forecast.inside_done);
    let left = plan.pull_at.minutes() - 14.0;
    assert!((forecast.outside_more.unwrap().minutes() - left).abs() < 1e-6);
    assert!((forecast.more.minutes() - left).abs() < 1e-6);
    // Where the inside decides, there is nothing to wait for.
    let mut bare = Request::usual(CutId::BoneInThigh, PRESETS[1].machine());
    bare.outside = Some(Outside::AsItComes);
    let plan = ember_core::plan::plan(&bare).unwrap();
    let there = read(&plan, 0.0, 20.0, 90.0).forecast.unwrap();
    assert_eq!((there.inside_done, there.more.minutes()), (true, 0.0));
    assert_eq!(there.outside_more, None);
}

/// A thermometer that shows 1 K less in ice water is read 1 K higher.
#[test]
fn a_reading_is_corrected_by_what_ice_water_showed() {
    let mut request = Request::usual(CutId::BonelessBreast, PRESETS[1].machine());
    request.outside = Some(Outside::AsItComes);
    let plan = plan(&request).unwrap();
    let least = plan.pull_core_shown().celsius();
    assert!(
        !read(&plan, 0.0, 20.0, least - 0.8)
            .forecast
            .unwrap()
            .inside_done
    );
    assert!(
        read(&plan, -1.0, 20.0, least - 0.8)
            .forecast
            .unwrap()
            .inside_done
    );
    assert!(
        !read(&plan, 1.0, 20.0, least + 0.8)
            .forecast
            .unwrap()
            .inside_done
    );
}
