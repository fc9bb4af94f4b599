//! Practice: that the hidden piece answers as meat does, that each decision costs what it should, and that the
//! advice would have gone well.

use ember_core::plan::plan;
use ember_core::practice::{Exercise, Made, Move, Place, Seen, play, reveal};

fn at(at: f64, what: Move) -> Made {
    Made { at, what }
}

fn load(at: f64, with_space: bool) -> Made {
    let preheated = false;
    Made {
        at,
        what: Move::Load {
            preheated,
            with_space,
        },
    }
}

fn out(at: f64, lot: usize) -> Made {
    Made {
        at,
        what: Move::Out { lot },
    }
}

/// Loaded, turned at ten minutes, out and served at the minutes given.
fn simple(minutes: f64, rest: f64) -> Vec<Made> {
    let end = 60.0 * minutes;
    vec![
        load(0.0, true),
        at(600.0, Move::Turn),
        out(end, 0),
        at(end + 60.0 * rest, Move::Serve),
    ]
}

#[test]
fn a_tip_that_is_not_in_the_middle_shows_too_much() {
    // Common practice: against the bone, and just under the skin, a thermometer shows more than the middle has.
    let read = |place| at(1200.0, Move::Read { lot: 0, place });
    for seed in 0..10 {
        let moves = [
            load(0.0, true),
            read(Place::Thickest),
            read(Place::AgainstTheBone),
            read(Place::Shallow),
        ];
        let played = play(Exercise::BesideTheBone, seed, &moves).unwrap();
        let celsius = |n: usize| match played.seen[n] {
            Seen::Reading(core) => core.celsius(),
            other => panic!("{other:?}"),
        };
        let really = played.really[1].unwrap().celsius();
        assert!((celsius(1) - really).abs() < 4.0, "{} {really}", celsius(1));
        assert!(celsius(2) > celsius(1) + 3.0 && celsius(3) > celsius(1) + 3.0);
    }
}

#[test]
fn what_cannot_be_done_is_not() {
    let early = [
        out(10.0, 0),
        at(20.0, Move::Serve),
        load(30.0, true),
        load(40.0, true),
        at(50.0, Move::Sauce),
    ];
    let played = play(Exercise::CarryOver, 1, &early).unwrap();
    assert_eq!(
        played.seen,
        [Seen::Not, Seen::Not, Seen::Done, Seen::Not, Seen::Not]
    );
    assert_eq!(played.lots.len(), 1);
    // The second batch goes in when the first is out.
    let batches = [
        load(0.0, true),
        load(5.0, true),
        out(1400.0, 0),
        load(1460.0, true),
    ];
    let played = play(Exercise::SecondBatch, 1, &batches).unwrap();
    assert_eq!(played.seen, [Seen::Done, Seen::Not, Seen::Done, Seen::Done]);
    assert_eq!((played.lots.len(), played.of), (2, 2));
}

#[test]
fn each_exercise_shows_what_it_is_for() {
    let faces = |moves: &[Made], exercise| {
        let played = play(exercise, 5, moves).unwrap();
        played.lots[0].clone()
    };
    // Common practice: a crowded basket is paler after the same time.
    let wings = |space| {
        faces(
            &[load(0.0, space), at(600.0, Move::Turn), out(1200.0, 0)],
            Exercise::CrowdedBasket,
        )
    };
    assert!(wings(false).faces.iter().min() < wings(true).faces.iter().min());
    // Common practice: a thick chop rises by 3 to 7 K as kitchens read it, more from its coldest spot.
    let chop = faces(&simple(28.0, 8.0), Exercise::CarryOver);
    let rise = (chop.peak - chop.core).kelvins();
    assert!((3.0..14.0).contains(&rise), "{rise}");
    // Common practice: sugar that is on from the beginning is darker.
    let sauced = |minute: f64| {
        let mut moves = simple(24.0, 5.0);
        moves.insert(1, at(60.0 * minute, Move::Sauce));
        moves.sort_by(|a, b| a.at.total_cmp(&b.at));
        faces(&moves, Exercise::SauceAndSugar)
    };
    assert!(sauced(0.5).faces.iter().max() > sauced(18.0).faces.iter().max());
    // Common practice: the second batch goes into a hot machine, and is done sooner.
    let [first, second] = &Exercise::SecondBatch.lots(true)[..] else {
        panic!();
    };
    let out_at = |request| plan(request).unwrap().pull_at;
    assert!(out_at(&second.request) < out_at(&first.request));
    // Thin ones are done in about half the time of those nearly twice as thick.
    let [thin, thick] = &Exercise::ThinAndThick.lots(true)[..] else {
        panic!();
    };
    let share = out_at(&thin.request).minutes() / out_at(&thick.request).minutes();
    assert!((0.3..0.7).contains(&share), "{share}");
}

#[test]
fn the_advice_goes_well_on_pieces_it_does_not_know() {
    let (mut good, mut all) = (0, 0);
    for exercise in Exercise::ALL {
        for seed in 0..8 {
            let shown = reveal(exercise, seed, &simple(20.0, 2.0)).unwrap();
            for lot in &shown.advised.lots {
                assert!(lot.out.is_some());
                // Never below the safe minimum, as the coldest spot has it.
                let least = shown.least.map_or(0.0, |least| least.celsius());
                assert!(
                    lot.peak.celsius() >= least - 1.0,
                    "{exercise:?} {seed} {:?}",
                    lot.peak
                );
                all += 1;
                good += usize::from(lot.peak.celsius() >= shown.target.celsius() - 1.0);
            }
        }
    }
    assert!(good * 10 >= all * 9, "{good} of {all}");
}

#[test]
fn a_decision_costs_what_its_own_change_makes() {
    // Out far too late: hotter, drier, later; and that is the dearest.
    let shown = reveal(Exercise::BesideTheBone, 4, &simple(40.0, 5.0)).unwrap();
    let dearest = &shown.costs[0];
    assert!(
        dearest.message.text.contains("out after"),
        "{:?}",
        dearest.message
    );
    assert!(dearest.later > 300.0 && dearest.hotter > 3.0 && dearest.drier > 0.02);
    // As advised there is next to nothing to tell.
    let advice = shown.moves.clone();
    let same = reveal(Exercise::BesideTheBone, 4, &advice).unwrap();
    assert_eq!(same.played.lots, same.advised.lots);
    let dear = same
        .costs
        .iter()
        .filter(|cost| cost.hotter.abs() > 2.0 || cost.later.abs() > 90.0);
    assert_eq!(dear.count(), 0, "{:?}", same.costs);
    // Thin and thick out at once: the thin ones are what it cost.
    let together = [
        load(0.0, true),
        at(300.0, Move::Turn),
        out(1080.0, 0),
        out(1080.0, 1),
        at(1300.0, Move::Serve),
    ];
    let shown = reveal(Exercise::ThinAndThick, 2, &together).unwrap();
    assert!(
        shown.costs[0]
            .message
            .text
            .starts_with("The thin chops out"),
        "{:?}",
        shown.costs
    );
    // All at once: what the two batches would have brought.
    let crowded = [
        load(0.0, false),
        at(600.0, Move::Turn),
        out(1320.0, 0),
        at(1400.0, Move::Serve),
    ];
    let shown = reveal(Exercise::CrowdedBasket, 2, &crowded).unwrap();
    assert!(
        shown
            .costs
            .iter()
            .any(|cost| cost.message.text.starts_with("All at once") && cost.later < 0.0)
    );
}
