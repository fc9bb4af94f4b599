//! What is told of a cook, answered: sequences from practice worked out by hand, and what holds for any.

use crate::kitchen::{Kitchen, celsius};
use ember_core::doneness::Region;
use ember_core::fryer::{Action, PRESETS, Which};
use ember_core::heat::Looking;
use ember_core::live::{Course, Kept, Safe, What};
use ember_core::meat::{Browning, CutId};
use ember_core::plan::{Decides, Outside, PreheatRule, Request, SauceRule, StepKind, TurnRule};
use ember_core::stop::Stop;
use ember_core::units::{Interval, Length, Mass, TemperatureDifference};
use proptest::prelude::*;

fn usual(cut: CutId, preset: usize) -> Request {
    let mut request = Request::usual(cut, PRESETS[preset].machine());
    request.preheat = PreheatRule::Never;
    request.outside = Some(Outside::AsItComes);
    request
}

fn thighs() -> Kitchen {
    Kitchen::of(usual(CutId::BoneInThigh, 1))
}

/// A kitchen's cook, loaded at once.
fn loaded(mut kitchen: Kitchen) -> Kitchen {
    kitchen.done(0.0, StepKind::Load, 1);
    kitchen
}

#[test]
fn a_fresh_cook_is_as_planned() {
    let kitchen = thighs();
    let course = kitchen.course();
    assert_eq!(course.current, Some(0));
    assert!(course.estimate.is_none() && course.loaded.is_none());
    let due = course.steps.iter().map(|step| step.due);
    let planned = kitchen.steps.iter().map(|step| step.at.seconds());
    assert!(due.zip(planned).all(|(due, at)| (due - at).abs() < 1e-9));
}

/// As planned, and nothing read: it comes out when the plan says.
#[test]
fn without_a_reading_it_comes_out_as_planned() {
    let kitchen = loaded(thighs());
    let planned = kitchen.plan.pull_at.minutes();
    // The plan is rounded up to a minute that a timer has.
    let early = planned - kitchen.pull(1);
    assert!((-0.5..1.2).contains(&early), "{early} of {planned}");
    let estimate = kitchen.estimate();
    let (now, then) = (estimate.core.value, estimate.at_pull);
    assert!(
        now < celsius(8.0) && (then.celsius() - kitchen.planned().inside.celsius()).abs() < 1.0
    );
}

/// A double tap on Loaded marked the turn as done: a step that is told twice was done once, the first time.
#[test]
fn a_step_told_twice_was_done_once() {
    let mut kitchen = thighs();
    kitchen.done(2.0, StepKind::Load, 1);
    let once = kitchen.course();
    kitchen.done(2.01, StepKind::Load, 1);
    let twice = kitchen.course();
    assert_eq!(twice.current, once.current);
    assert_eq!(twice.steps[0].done, Some(120.0));
    assert_eq!(twice.steps[0], once.steps[0]);
}

/// Undo gives back exactly what was before, also after more has been told.
#[test]
fn undo_gives_back_what_was() {
    let mut kitchen = loaded(thighs());
    kitchen.read(15.0, 40.0);
    let before = kitchen.course();
    let pull = kitchen.tell(16.0, What::TakenOut);
    assert_ne!(kitchen.course(), before);
    kitchen.tell(16.2, What::Undone(pull));
    assert_eq!(kitchen.course(), before);
    // And an undo can be undone.
    let undo = kitchen.told.last().unwrap().id;
    kitchen.tell(16.4, What::Undone(undo));
    assert!(kitchen.course().pulled.is_some());
}

/// "It is out" at 54 °C was answered with "rises to 66 °C at least": it is told to go back in, and for how
/// long, and is not safe to serve; what is told after that is answered as well.
#[test]
fn out_too_early_goes_back_in() {
    let mut kitchen = loaded(thighs());
    let early = 0.55 * kitchen.plan.pull_at.minutes();
    kitchen.read(early, 54.0);
    kitchen.tell(early + 0.5, What::TakenOut);
    let estimate = kitchen.estimate();
    assert_eq!(estimate.safe, Safe::Short);
    assert!(estimate.peak.low.celsius() < 70.0, "{:?}", estimate.peak);
    let back = estimate.back_in.unwrap().minutes();
    assert!((3.0..20.0).contains(&back), "{back}");
    // A reading on the plate is answered too.
    kitchen.read(early + 3.0, 57.0);
    assert_eq!(kitchen.estimate().safe, Safe::Short);
    assert!(kitchen.estimate().back_in.is_some());
    // Back in: the pull is due again, and after that the rest and the serving.
    kitchen.tell(early + 4.0, What::PutBack { cut: false });
    let course = kitchen.course();
    let pull = kitchen.step(StepKind::Pull, 1);
    assert!(course.steps[pull].done.is_none() && course.pulled.is_none());
    let more = kitchen.pull(1) - (early + 4.0);
    assert!((3.0..20.0).contains(&more), "{more}");
    let serve = kitchen.step(StepKind::Serve, 0);
    assert!(course.steps[serve].due > course.steps[pull].due);
    // There: measured, and safe to serve.
    kitchen.read(early + 4.0 + more, 82.5);
    assert_eq!(kitchen.estimate().safe, Safe::Measured);
}

/// Slices of thighs were to stay in for twenty minutes more until their cut faces were golden, to 103 °C inside.
#[test]
fn slices_come_out_when_the_inside_is_there() {
    let mut kitchen = loaded(thighs());
    kitchen.tell(18.0, What::TakenOut);
    kitchen.read(18.5, 66.0);
    kitchen.tell(19.0, What::PutBack { cut: true });
    kitchen.read(21.0, 75.0);
    let estimate = kitchen.estimate();
    assert_eq!(estimate.decides, Decides::Inside);
    let more = kitchen.pull(1) - 21.0;
    assert!((0.5..8.0).contains(&more), "{more}");
}

/// Common practice: what is not done when it is cut goes back in slices, and needs a fraction of the time.
#[test]
fn slices_go_back_in_for_less() {
    let back = |cut: bool| {
        let mut kitchen = loaded(Kitchen::of(usual(CutId::PorkLoinRoast, 2)));
        let early = 0.6 * kitchen.plan.pull_at.minutes();
        kitchen.tell(early, What::TakenOut);
        kitchen.tell(early + 3.0, What::PutBack { cut });
        kitchen.pull(1) - early - 3.0
    };
    let (whole, cut) = (back(false), back(true));
    assert!(cut < 0.6 * whole, "{cut} {whole}");
    assert!(cut > 1.0 && cut < 15.0, "{cut}");
}

/// Who loads the second batch has seen to the first one.
#[test]
fn loading_the_next_batch_goes_on_with_it() {
    let mut kitchen = loaded(two_batches());
    let out = kitchen.plan.pull_at.minutes();
    kitchen.tell(out, What::TakenOut);
    kitchen.done(out + 1.0, StepKind::Load, 2);
    let course = kitchen.course();
    assert_eq!(kitchen.steps[course.current.unwrap()].batch, 2);
}

fn two_batches() -> Kitchen {
    let mut request = usual(CutId::PorkChop, 1);
    request.pieces = 4;
    request.split = vec![2, 2];
    Kitchen::of(request)
}

/// A reading of batch 1 shortened batch 2 from 14 to 2.4 min: what was read of one batch says of the next
/// how much longer or less long than assumed it takes, no more.
#[test]
fn a_batch_teaches_the_next() {
    let length = |core: f64| {
        let mut kitchen = loaded(two_batches());
        let pull = kitchen.plan.pull_at.minutes();
        let minute = 0.8 * pull;
        let expected = kitchen.expected(minute);
        kitchen.read(minute, expected + core);
        let course = kitchen.course();
        let due = |kind| course.steps[kitchen.step(kind, 2)].due;
        let ahead = (due(StepKind::Pull) - due(StepKind::Load)) / 60.0;
        // And when it is in the machine.
        let out = kitchen.pull(1);
        kitchen.tell_of(out, Some(1), What::TakenOut);
        kitchen.done(out + 1.0, StepKind::Load, 2);
        (ahead, kitchen.pull(2) - out - 1.0)
    };
    let (usual, usual_in) = length(0.0);
    let (slow, slow_in) = length(-9.0);
    let (quick, quick_in) = length(9.0);
    assert!(usual > 5.0 && usual_in > 5.0);
    for (slow, usual, quick) in [(slow, usual, quick), (slow_in, usual_in, quick_in)] {
        assert!(slow > 1.04 * usual && slow < 1.8 * usual, "{slow} {usual}");
        assert!(
            quick < 0.98 * usual && quick > 0.5 * usual,
            "{quick} {usual}"
        );
    }
}

/// Pale wings at 94 °C were "there, take it out": the outside still has its time, and what they look like
/// says how long.
#[test]
fn pale_wings_stay_in() {
    let mut request = usual(CutId::PartyWing, 1);
    request.outside = None;
    let mut kitchen = loaded(Kitchen::of(request));
    let minute = 0.7 * kitchen.plan.pull_at.minutes();
    kitchen.read(minute, 94.0);
    let estimate = kitchen.estimate();
    assert_eq!(estimate.decides, Decides::Outside);
    assert!(estimate.inside.unwrap().value <= minute * 60.0);
    let due = kitchen.pull(1);
    assert!(due > minute + 1.0, "{due} {minute}");
    kitchen.tell(
        minute + 0.1,
        What::Looks {
            colour: Browning::Pale,
            face: Looking::Up,
        },
    );
    assert!(kitchen.pull(1) > due + 0.5, "{} {due}", kitchen.pull(1));
}

/// What a page without a server says to a reading is what the server would have said.
#[test]
fn readings_to_come_are_answered_ahead() {
    let mut kitchen = loaded(thighs());
    kitchen.read(10.0, kitchen.expected(10.0));
    let ahead = kitchen.estimate().foretold.unwrap();
    let row = 2;
    let minute = ahead.at[row] / 60.0;
    let expected = celsius(kitchen.expected(minute));
    let column = ahead.core.iter().position(|core| *core > expected).unwrap();
    let said = ahead.more[row][column].unwrap() / 60.0;
    kitchen.read(minute, ahead.core[column].celsius());
    let answered = kitchen.pull(1) - minute;
    assert!((said - answered).abs() < 0.3, "{said} {answered}");
    // Hotter is sooner.
    let colder = ahead.more[row][column - 1].unwrap() / 60.0;
    assert!(colder > said);
    kitchen.tell(minute + 1.0, What::TakenOut);
    assert_eq!(kitchen.estimate().foretold, None);
}

/// The expectation beside a reading followed the resting curve while the meat was still in.
#[test]
fn the_expectation_is_of_where_the_meat_is() {
    let mut kitchen = loaded(thighs());
    let late = kitchen.plan.pull_at.minutes() + 4.0;
    kitchen.tell(late, What::Did(Action::Open(Interval::from_seconds(10.0))));
    let still_in = kitchen.estimate().core.value.celsius();
    assert!(still_in > kitchen.planned().inside.celsius() + 4.0);
    kitchen.read(late + 0.2, still_in);
    let expected = kitchen
        .estimate()
        .reading
        .unwrap()
        .expected
        .unwrap()
        .celsius();
    assert!((expected - still_in).abs() < 1.5, "{expected} {still_in}");
}

/// What hurts: the dial found 30 K low, the power gone for ten minutes, the lid open for three.
#[test]
fn what_hurts_makes_it_later() {
    let due = |what: Option<What>| {
        let mut kitchen = loaded(thighs());
        if let Some(what) = what {
            kitchen.tell(12.0, what);
        }
        kitchen.pull(1)
    };
    let usual = due(None);
    let setting = thighs().request.setting_used().celsius();
    let wrong = due(Some(What::DialWas(celsius(setting - 30.0))));
    let off = due(Some(What::Off(Interval::from_minutes(8.0))));
    let open = due(Some(What::Did(Action::Open(Interval::from_minutes(3.0)))));
    assert!(wrong > usual + 1.0, "{wrong} {usual}");
    assert!(off > usual + 4.0 && off < usual + 10.0, "{off} {usual}");
    assert!(open > usual + 0.7 && open < usual + 5.0, "{open} {usual}");
    // And it is said by how much.
    let mut kitchen = loaded(thighs());
    kitchen.tell(12.0, What::Off(Interval::from_minutes(8.0)));
    let said = kitchen.course().moved.unwrap() / 60.0;
    assert!((said - (off - usual)).abs() < 0.1, "{said}");
}

/// Sugar stands ten minutes of a hot machine (common practice: sauce only for the last 5-10 min): a sauce
/// that is on after two minutes is answered, one that is on at the end is not.
#[test]
fn a_sauce_that_is_on_too_early_burns() {
    for (minute, burns) in [(2.0, true), (19.0, false)] {
        let mut kitchen = loaded(thighs());
        kitchen.tell(minute, What::Did(Action::Sauce(Looking::Both)));
        assert_eq!(kitchen.estimate().burns, burns, "{minute}");
    }
}

/// A setting at which it never gets there is not answered with a day.
#[test]
fn never_is_never() {
    let mut kitchen = loaded(thighs());
    kitchen.tell(0.5, What::Did(Action::Set(celsius(60.0))));
    let estimate = kitchen.estimate();
    assert_eq!((estimate.inside, estimate.pull), (None, None));
}

/// Five minutes more, and another temperature that is wanted.
#[test]
fn it_can_be_changed_while_it_cooks() {
    let mut kitchen = loaded(thighs());
    let usual = kitchen.pull(1);
    let more = Interval::from_minutes(usual + 5.0 - 10.0);
    let keep = kitchen.tell(10.0, What::KeepIn(more));
    assert!((kitchen.pull(1) - usual - 5.0).abs() < 0.1);
    assert_eq!(kitchen.estimate().decides, Decides::Planned);
    // Five minutes more are some kelvins more.
    let past = kitchen.estimate().at_pull.celsius() - kitchen.planned().inside.celsius();
    assert!((3.0..15.0).contains(&past), "{past}");
    kitchen.tell(10.1, What::Undone(keep));
    let inside = kitchen.planned().inside.celsius();
    kitchen.tell(10.2, What::Aim(celsius(inside + 6.0)));
    assert!(kitchen.pull(1) > usual + 1.0);
}

/// A spit that stood still roasted one side: the side that looks up is brown, the other is not.
#[test]
fn a_spit_that_stood_still_is_computed() {
    let colours = |stands: bool| {
        let mut request = usual(CutId::PorkLoinRoast, 2);
        request.support = ember_core::fryer::Support::Spit;
        request.turn = TurnRule::Never;
        let mut kitchen = loaded(Kitchen::of(request));
        if stands {
            kitchen.tell(5.0, What::Did(Action::SpitStops));
        }
        kitchen.tell(30.0, What::Did(Action::SpitTurns));
        kitchen.estimate().colours
    };
    let [up, down] = colours(false);
    assert_eq!(up, down);
    let [up, down] = colours(true);
    assert!(up > down, "{up:?} {down:?}");
}

/// A thermometer that shows 1 K less in ice water is read 1 K higher.
#[test]
fn a_reading_is_corrected_by_what_ice_water_showed() {
    let core = |offset: f64| {
        let mut request = usual(CutId::BonelessBreast, 1);
        request.thermometer.offset = TemperatureDifference::from_kelvins(offset);
        let mut kitchen = loaded(Kitchen::of(request));
        let late = kitchen.plan.pull_at.minutes();
        kitchen.read(late, 73.2);
        kitchen.estimate().safe
    };
    assert_eq!(core(-1.0), Safe::Measured);
    assert_ne!(core(0.0), Safe::Measured);
}

/// A reading that cannot be proves nothing, and what is read lower on the plate soon after a good one is a
/// colder piece.
#[test]
fn what_is_not_believed_does_not_make_it_safe() {
    let mut request = usual(CutId::PorkChop, 1);
    request.region = Region::UnitedKingdom;
    request.target = celsius(71.0);
    let mut kitchen = loaded(Kitchen::of(request));
    let pull = kitchen.plan.pull_at.minutes();
    kitchen.read(0.1, 74.0);
    assert!(!matches!(
        kitchen.estimate().safe,
        Safe::Measured | Safe::Holding(_)
    ));
    kitchen.tell(pull, What::TakenOut);
    assert_ne!(kitchen.estimate().safe, Safe::Measured);
    kitchen.read(pull + 0.2, 72.0);
    assert!(matches!(kitchen.estimate().safe, Safe::Holding(_)));
    kitchen.read(pull + 0.4, 55.0);
    assert!(!matches!(
        kitchen.estimate().safe,
        Safe::Measured | Safe::Holding(_)
    ));
    // 70 °C for two minutes, as the United Kingdom's Food Standards Agency asks.
    kitchen.read(pull + 0.6, 71.0);
    kitchen.read(pull + 2.7, 71.0);
    assert_eq!(kitchen.estimate().safe, Safe::Measured);
}

/// Two readings at the minimum after two fifths of the time contradict the plan. The batch is not "measured", it is not
/// due to come out, and both readings are doubted.
#[test]
fn one_place_proves_nothing_against_the_expectation() {
    for cut in [
        CutId::WholeChicken,
        CutId::BonelessBreast,
        CutId::Drumstick,
        CutId::GameHen,
        CutId::TurkeyDrumstick,
    ] {
        let mut kitchen = loaded(Kitchen::of(usual(cut, 2)));
        let minute = 0.4 * kitchen.plan.pull_at.minutes();
        let before = kitchen.pull(1);
        let first = kitchen.read(minute, 77.0);
        let second = kitchen.read(minute + 1.0, 77.0);
        let estimate = kitchen.estimate();
        assert_eq!(estimate.safe, Safe::Contradicted, "{cut:?}");
        let doubted: Vec<u128> = estimate.doubted.iter().map(|(id, _)| *id).collect();
        assert!(
            doubted.contains(&first) && doubted.contains(&second),
            "{cut:?}"
        );
        assert!((kitchen.pull(1) - before).abs() < 0.1, "{cut:?}");
        // On the plate it is no better.
        kitchen.tell(minute + 2.0, What::TakenOut);
        let out = kitchen.estimate();
        assert!(
            matches!(out.safe, Safe::Contradicted | Safe::Short),
            "{cut:?} {out:?}"
        );
    }
}

/// Three insertions that agree count: the pieces are thinner than stated.
#[test]
fn three_places_that_agree_are_believed() {
    let mut kitchen = loaded(Kitchen::of(usual(CutId::BonelessBreast, 2)));
    let minute = 0.5 * kitchen.plan.pull_at.minutes();
    for n in 0..3 {
        kitchen.read(minute + 2.5 * f64::from(n), 77.0 + f64::from(n));
    }
    assert!(kitchen.pull(1) <= minute + 5.1, "{}", kitchen.pull(1));
    assert_eq!(kitchen.estimate().safe, Safe::Measured);
}

/// A probe sends Fahrenheit as Celsius: 39 for meat from the fridge, 73 for meat at 23 °C. All its readings are of one
/// insertion, so they never prove that the meat is safe.
#[test]
fn a_probe_in_another_unit_proves_nothing() {
    let mut kitchen = loaded(thighs());
    let pull = kitchen.plan.pull_at.minutes();
    for n in 1..=9 {
        let minute = pull * f64::from(n) / 10.0;
        let fahrenheit = kitchen.expected(minute) * 1.8 + 32.0;
        if fahrenheit < 105.0 {
            kitchen.tell(minute, What::Probe(celsius(fahrenheit)));
        }
        let safe = kitchen.estimate().safe;
        assert!(
            !matches!(safe, Safe::Measured | Safe::Holding(_)),
            "{minute}: {safe:?}"
        );
    }
    let due = kitchen.pull(1);
    assert!((due - pull).abs() < 1.5, "{due} {pull}");
}

/// A batch that came out and rested as planned, without a reading, is not put back because it has cooled since.
#[test]
fn what_rested_as_planned_is_not_put_back() {
    for cut in [
        CutId::PartyWing,
        CutId::ThinChop,
        CutId::BonelessThigh,
        CutId::Drumstick,
    ] {
        let mut kitchen = loaded(Kitchen::of(usual(cut, 1)));
        let pull = kitchen.pull(1);
        kitchen.tell(pull + 0.3, What::TakenOut);
        let rest = kitchen.plan.rest.minutes();
        for after in [0.5, rest.max(1.0), rest + 10.0] {
            let weighed = What::Weighed(Mass::from_grams(300.0));
            kitchen.tell(pull + 0.3 + after, weighed);
            let estimate = kitchen.estimate();
            assert_eq!(estimate.back_in, None, "{cut:?} after {after} min");
            assert_ne!(estimate.safe, Safe::Short, "{cut:?} after {after} min");
        }
        // A batch that comes out at half its time still goes back in.
        let mut early = loaded(Kitchen::of(usual(cut, 1)));
        early.tell(pull / 2.0, What::TakenOut);
        assert!(early.estimate().back_in.is_some(), "{cut:?}");
    }
}

/// A new target for a running cook keeps to the minimum of its class (USDA, from memory).
#[test]
fn a_new_aim_keeps_to_the_minimum() {
    let mut kitchen = loaded(Kitchen::of(usual(CutId::BonelessBreast, 1)));
    let planned = kitchen.pull(1);
    kitchen.tell(5.0, What::Aim(celsius(50.0)));
    let minimum = kitchen.pull(1);
    assert!(minimum > 0.85 * planned, "{minimum} {planned}");
    kitchen.read(minimum - 4.0, 51.0);
    kitchen.tell(minimum - 3.9, What::TakenOut);
    let out = kitchen.estimate();
    assert_eq!(out.safe, Safe::Short);
    assert!(out.back_in.unwrap().seconds() > 60.0, "{out:?}");
    // For a whole cut whose minimum was waived, a lower target is allowed.
    let mut request = usual(CutId::BeefSteak, 1);
    request.below_floor_acknowledged = true;
    request.target = celsius(56.0);
    let mut steak = loaded(Kitchen::of(request));
    let medium = steak.pull(1);
    steak.tell(1.0, What::Aim(celsius(44.0)));
    assert!(steak.pull(1) < medium);
}

/// Beef at 54 °C in the United States: below the minimum, which a yes waives; rolled it cannot be waived.
#[test]
fn what_is_waived_and_what_cannot_be() {
    let mut request = usual(CutId::BeefRoast, 2);
    request.region = Region::UnitedStates;
    request.below_floor_acknowledged = true;
    request.target = celsius(54.0);
    let mut kitchen = loaded(Kitchen::of(request.clone()));
    kitchen.tell(kitchen.plan.pull_at.minutes(), What::TakenOut);
    assert_eq!(kitchen.estimate().safe, Safe::Waived);
    assert_eq!(kitchen.estimate().back_in, None);
    request.handling = ember_core::doneness::Handling::Rolled;
    assert!(ember_core::plan::plan(&request).is_err());
}

fn what() -> impl Strategy<Value = What> {
    let minutes = || (0.0..40.0).prop_map(Interval::from_minutes);
    let degrees = || (-5.0..130.0).prop_map(celsius);
    prop_oneof![
        (0..9_usize).prop_map(What::Done),
        degrees().prop_map(What::Reading),
        (20.0..230.0).prop_map(|air| What::Air(celsius(air))),
        Just(What::TakenOut),
        any::<bool>().prop_map(|cut| What::PutBack { cut }),
        (60.0..230.0).prop_map(|dial| What::Did(Action::Set(celsius(dial)))),
        (60.0..230.0).prop_map(|dial| What::DialWas(celsius(dial))),
        minutes().prop_map(What::Off),
        minutes().prop_map(What::KeepIn),
        degrees().prop_map(What::Aim),
        minutes().prop_map(|time| What::Did(Action::Open(time))),
        Just(What::Did(Action::Turn(Which::All))),
        Just(What::Did(Action::Sauce(Looking::Both))),
        Just(What::Did(Action::AddSide(Mass::from_grams(400.0)))),
        Just(What::Did(Action::TakeSide)),
        Just(What::Did(Action::SpitStops)),
        (0..6_usize, any::<bool>()).prop_map(|(colour, up)| What::Looks {
            colour: Browning::ALL[colour],
            face: if up { Looking::Up } else { Looking::Down },
        }),
        Just(What::Weighed(Mass::from_grams(300.0))),
        Just(What::Served),
        Just(What::Finished),
        (1..14_u128).prop_map(What::Undone),
    ]
}

proptest! {
    #![proptest_config(ProptestConfig::with_cases(48))]

    /// Whatever is told: no panic, the same answer twice, no time before the start, the moments of a
    /// batch in their order, finite numbers, and an undo that gives back what was.
    #[test]
    fn whatever_is_told_is_answered(
        events in prop::collection::vec((0.0..20.0_f64, 0..4_u32, what()), 1..12),
        batches in any::<bool>(),
    ) {
        let mut kitchen = if batches { two_batches() } else { thighs() };
        let mut minute = 0.0;
        for (after, batch, what) in events {
            minute += after;
            let before = kitchen.course();
            let batch = (batch > 0).then_some(batch);
            let id = kitchen.tell_of(minute, batch, what);
            let course = kitchen.course();
            prop_assert_eq!(&course, &kitchen.course());
            for step in &course.steps {
                prop_assert!(step.due.is_finite() && step.due >= -1.0);
            }
            for n in 1..=kitchen.planned().batches() as u32 {
                let load = course.steps[kitchen.step(StepKind::Load, n)].due;
                let pull = course.steps[kitchen.planned().find(StepKind::Pull, n as usize).unwrap()];
                prop_assert!(pull.due >= load, "{load} {pull:?}");
            }
            if let Some(estimate) = &course.estimate {
                prop_assert!(estimate.core.low <= estimate.core.high);
                prop_assert!(estimate.peak.value.celsius().is_finite());
                prop_assert!(estimate.peak.value.celsius() < 260.0, "{estimate:?}");
                prop_assert!(estimate.pull.is_none_or(|pull| pull.is_finite()));
                // Never safe by what was computed alone.
                let read = kitchen.told.iter().any(|told| matches!(told.what, What::Reading(_)));
                prop_assert!(read || !matches!(estimate.safe, Safe::Measured | Safe::Holding(_)));
            }
            if !matches!(what, What::Undone(_)) {
                kitchen.tell(minute, What::Undone(id));
                prop_assert_eq!(&kitchen.course(), &before);
                kitchen.told.pop();
            }
        }
    }
}

/// What is kept for the next answer was computed for somebody who has gone since, or left in the middle of it:
/// "back in" was answered with nothing from the second time on.
#[test]
fn what_is_kept_is_of_use_to_others() {
    let mut kitchen = loaded(thighs());
    kitchen.read(14.0, 46.0);
    kitchen.tell(15.0, What::TakenOut);
    let (planned, told) = (kitchen.planned(), &kitchen.told);
    let anew = Course::of(planned, 0.0, told);
    assert!(anew.estimate.as_ref().unwrap().back_in.is_some());
    let mut kept = Kept::default();
    let mut gone = Stop::default();
    for left_early in [true, false] {
        if left_early {
            gone.stop();
        }
        let _ = gone.during(|| Course::kept(planned, 0.0, told, &mut kept));
        gone.stop();
        gone = Stop::default();
        assert_eq!(Course::kept(planned, 0.0, told, &mut kept), anew);
    }
}

/// Taken out far too early, a piece rises in its rest as such a piece does, and not past the air it was in.
#[test]
fn what_comes_out_far_too_early_rises_no_further_than_it_can() {
    for sauced in [false, true] {
        for (minute, core) in [(14.0, 46.0), (8.0, 20.0), (14.0, 30.0)] {
            let mut request = usual(CutId::BoneInThigh, 1);
            if sauced {
                request.sauce = SauceRule::LastMinutes;
                request.thickness = Some(Length::from_millimetres(38.1));
            }
            let mut kitchen = loaded(Kitchen::of(request));
            kitchen.done(minute, StepKind::Turn, 1);
            kitchen.read(minute + 0.1, core);
            if sauced {
                kitchen.done(minute + 0.2, StepKind::Sauce, 1);
            }
            kitchen.done(minute + 0.3, StepKind::Pull, 1);
            let estimate = kitchen.estimate();
            let peak = estimate.peak;
            assert!(
                peak.high < celsius(76.0) && peak.value > celsius(core - 3.0),
                "{core} at {minute}: {peak:?}"
            );
            assert!(matches!(estimate.safe, Safe::Short));
        }
    }
}
