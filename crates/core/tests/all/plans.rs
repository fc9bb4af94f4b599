//! Plans of the whole catalogue as text, refusals, and the directions a plan must move in.

use ember_core::basket::{Placed, Pose};
use ember_core::doneness::Region;
use ember_core::doneness::lethality::uk_hold;
use ember_core::fryer::{Action, Machine, PRESETS, Support, Which};
use ember_core::meat::{CATALOGUE, CutId, Layer, Surface};
use ember_core::plan::{
    Assumption, DEPTHS, LoadRule, MOST_COLUMNS, Plan, PlanError, PlannedAction, PreheatRule,
    Programme, Request, SauceRule, Start, Step, StepKind, TurnRule, Unknown, WarningKind, convert,
    plan, render, setting_for, synthetic,
};
use ember_core::units::bounds::{PIECE_MASS, SETTING, THICKNESS};
use ember_core::units::{Interval, Length, Mass, Temperature, TemperatureScale, WeightSystem};
use proptest::prelude::*;

fn drawer() -> Machine {
    PRESETS[1].machine()
}

fn celsius(value: f64) -> Temperature {
    Temperature::from_celsius(value)
}

#[test]
fn every_cut_as_text() {
    for cut in CATALOGUE {
        let request = Request::usual(cut.id, drawer());
        insta::assert_snapshot!(cut.id.id(), render(&plan(&request).unwrap()));
    }
}

/// Common practice: minutes a cook expects for usual pieces at usual settings (from memory of
/// kitchens, not of any one table).
#[test]
fn usual_cooks_take_the_usual_minutes() {
    for (cut, low, high) in [
        (CutId::PartyWing, 18.0, 26.0),
        (CutId::WholeWing, 18.0, 30.0),
        (CutId::Drumstick, 18.0, 26.0),
        (CutId::BoneInThigh, 20.0, 30.0),
        (CutId::BonelessBreast, 16.0, 25.0),
        (CutId::PorkBellySlab, 35.0, 55.0),
        (CutId::PorkChop, 9.0, 14.0),
        (CutId::PorkLoinRoast, 40.0, 65.0),
        (CutId::BeefRoast, 45.0, 75.0),
        (CutId::BeefSteak, 9.0, 15.0),
        (CutId::LegQuarter, 25.0, 38.0),
        // A quarter to a third less than whole.
        (CutId::SpatchcockedChicken, 30.0, 48.0),
        (CutId::WholeChicken, 42.0, 65.0),
        (CutId::GameHen, 25.0, 40.0),
        (CutId::TurkeyDrumstick, 30.0, 45.0),
        (CutId::TurkeyBreastJoint, 50.0, 80.0),
        (CutId::PorkTenderloin, 18.0, 28.0),
        (CutId::BackRibs, 18.0, 35.0),
        (CutId::LambChop, 8.0, 14.0),
    ] {
        let minutes = plan(&Request::usual(cut, drawer()))
            .unwrap()
            .pull_at
            .minutes();
        assert!((low..=high).contains(&minutes), "{cut:?}: {minutes}");
    }
}

#[test]
fn the_picture_keeps_its_bounds_and_meets_the_curves() {
    let plan = plan(&Request::usual(CutId::BoneInThigh, drawer())).unwrap();
    let picture = &plan.picture;
    let columns = picture.minutes.len();
    assert!(columns <= MOST_COLUMNS && columns > 80, "{columns}");
    const { assert!(DEPTHS <= 48) };
    assert_eq!(picture.field.len(), columns * DEPTHS);
    assert!(picture.field.iter().all(|t| (0.0..260.0).contains(t)));
    let at_end = plan.pull_at.minutes() + plan.rest.minutes();
    assert!((picture.minutes[columns - 1] - at_end).abs() < 0.1);
    for (n, column) in picture.field.chunks(DEPTHS).enumerate() {
        assert_eq!(column[0], picture.upper[n]);
        if picture.minutes[n] > plan.pull_at.minutes() {
            continue; // Resting, the coldest spot is outside.
        }
        let coldest = column.iter().copied().fold(f64::INFINITY, f64::min);
        assert!(
            (coldest - picture.core[n]).abs() < 1.5,
            "column {n}: {coldest} and {}",
            picture.core[n]
        );
    }
}

#[test]
fn steps_come_in_the_order_of_the_work() {
    let mut request = Request::usual(CutId::Drumstick, drawer());
    request.preheat = PreheatRule::Always;
    request.sauce = SauceRule::LastMinutes;
    let plan = plan(&request).unwrap();
    let kinds: Vec<StepKind> = plan.steps.iter().map(|step| step.kind).collect();
    use StepKind::{Check, Load, Preheat, Pull, Rest, Sauce, Serve, Turn};
    // Sauce and check may fall either way round.
    let rest_of_the_work: Vec<StepKind> = kinds
        .iter()
        .copied()
        .filter(|kind| *kind != Sauce)
        .collect();
    assert_eq!(
        rest_of_the_work,
        [Preheat, Load, Turn, Check, Pull, Rest, Serve]
    );
    assert!(plan.steps.windows(2).all(|two| two[0].at <= two[1].at));
    // Near the turn it is one opening with it.
    let sauced = |step: &Step| step.kind == Sauce || step.title.text.contains("sauce");
    assert!(plan.steps.iter().any(sauced));
    assert!(plan.preheat.is_some() && plan.steps[0].at.seconds() < 0.0);
}

#[test]
fn equal_browning_ends_with_equal_faces_and_half_way_does_not() {
    let mut request = Request::usual(CutId::Drumstick, drawer());
    let even = plan(&request).unwrap();
    let [first, second] = &even.outcomes.faces;
    assert_eq!(first.browning, second.browning);
    request.turn = TurnRule::Never;
    let never = plan(&request).unwrap();
    assert!(never.turn_at.is_none());
    let [first, second] = &never.outcomes.faces;
    assert!(first.browning > second.browning);
}

#[test]
fn many_pieces_go_in_batches_and_later_ones_are_quicker() {
    let mut request = Request::usual(CutId::Drumstick, PRESETS[0].machine());
    request.pieces = 16;
    let plan = plan(&request).unwrap();
    let pieces: u32 = plan.batches.iter().map(|batch| batch.pieces).sum();
    assert_eq!(pieces, 16);
    assert!(plan.batches.len() > 1);
    assert!(
        plan.batches[1].cook < plan.batches[0].cook,
        "{:?}",
        plan.batches
    );
    let pulls = plan
        .steps
        .iter()
        .filter(|step| step.kind == StepKind::Pull)
        .count();
    assert_eq!(pulls, plan.batches.len());
}

#[test]
fn poultry_below_its_floor_is_refused_and_acknowledging_does_not_help() {
    let mut request = Request::usual(CutId::Drumstick, drawer());
    request.target = celsius(70.0);
    request.below_floor_acknowledged = true;
    let refusal = plan(&request).unwrap_err();
    insta::assert_snapshot!(refusal, @"chicken is not planned below 74 °C (USDA); choose 74 °C or more");
    // The United Kingdom's guidance is 70 °C for two minutes: allowed, and held that long.
    request.region = Region::UnitedKingdom;
    let held = plan(&request).unwrap();
    request.target = celsius(72.5);
    let hotter = plan(&request).unwrap();
    assert!(held.pull_core.celsius() > 70.0);
    assert!(held.pull_at.seconds() <= hotter.pull_at.seconds() + 120.0);
    // Two minutes' worth at 70 °C or more, in the machine.
    let picture = &held.picture;
    let until = held.pull_at.minutes();
    let worth: f64 = (1..picture.minutes.len())
        .filter(|n| picture.minutes[*n] <= until + 1e-6)
        .map(|n| {
            let hold = uk_hold(celsius(picture.core[n]));
            let share = hold.map_or(0.0, |hold| 1.0 / hold.minutes());
            (picture.minutes[n] - picture.minutes[n - 1]) * share
        })
        .sum();
    assert!(worth >= 0.9, "{worth:.2} of the hold");
}

/// Source: Food Standards Agency, 70 °C for 2 min (from memory): the time passes while it rests.
#[test]
fn a_time_at_the_floor_may_pass_in_the_rest_of_red_meat() {
    let mut request = Request::usual(CutId::PorkChop, drawer());
    request.region = Region::UnitedKingdom;
    request.target = celsius(71.0);
    let plan = plan(&request).unwrap();
    assert!(plan.pull_core.celsius() < 71.0, "{:?}", plan.pull_core);
    assert!(
        (71.0..77.0).contains(&plan.peak_core.celsius()),
        "{:?}",
        plan.peak_core
    );
    let picture = &plan.picture;
    let held: f64 = (1..picture.minutes.len())
        .filter(|n| picture.core[*n] >= 70.0)
        .map(|n| picture.minutes[n] - picture.minutes[n - 1])
        .sum();
    assert!(held >= 1.9, "{held} min");
}

#[test]
fn red_meat_below_its_floor_needs_a_yes_and_keeps_saying_so() {
    let mut request = Request::usual(CutId::BeefSteak, drawer());
    request.target = celsius(57.0);
    let refusal = plan(&request).unwrap_err();
    insta::assert_snapshot!(refusal, @"57 °C is below the 63 °C that USDA gives for whole cuts of beef; confirm that you know this to plan it anyway");
    request.below_floor_acknowledged = true;
    let plan = plan(&request).unwrap();
    assert!(plan.below_floor);
    assert_eq!(plan.warnings[0].kind, WarningKind::BelowFloor);
}

/// By hand: a dial to 204 °C shows 400 °F at its end (399.2 °F in steps of 5), and 405 °F is beyond it.
#[test]
fn a_setting_compares_as_a_dial_shows_it() {
    let mut request = Request::usual(CutId::Drumstick, drawer());
    request.machine.highest = celsius(204.0);
    request.setting = Some(Temperature::from_fahrenheit(400.0));
    assert_eq!(plan(&request).unwrap().setting, celsius(204.0));
    request.programme = Programme::HotFinish {
        setting: Temperature::from_fahrenheit(400.0),
        time: Interval::from_minutes(4.0),
    };
    assert!(plan(&request).is_ok());
    request.programme = Programme::Steady;
    request.setting = Some(Temperature::from_fahrenheit(405.0));
    assert!(matches!(
        plan(&request),
        Err(PlanError::AboveCeiling { .. })
    ));
}

#[test]
fn impossible_wishes_name_what_binds_and_the_way_out() {
    let mut above = Request::usual(CutId::Drumstick, drawer());
    above.setting = Some(celsius(232.0));
    let PlanError::AboveCeiling {
        at_asked,
        at_ceiling,
        ..
    } = plan(&above).unwrap_err()
    else {
        unreachable!("a setting above the ceiling is refused as such");
    };
    assert!(at_ceiling > at_asked);

    let mut never = Request::usual(CutId::BeefRoast, drawer());
    never.setting = Some(celsius(60.0));
    never.target = celsius(71.0);
    assert!(matches!(
        plan(&never),
        Err(PlanError::NeverReached { reached, .. }) if reached.celsius() < 60.0
    ));

    let mut tall = Request::usual(CutId::BeefRoast, PRESETS[0].machine());
    tall.thickness = Some(Length::from_millimetres(95.0));
    insta::assert_snapshot!(plan(&tall).unwrap_err(), @"a piece 95 mm tall does not fit a space of 90 mm; level it or halve it");

    let mut thin = Request::usual(CutId::PorkChop, drawer());
    thin.thickness = Some(Length::from_millimetres(300.0));
    insta::assert_snapshot!(plan(&thin).unwrap_err(), @"thickness is 300 mm; it can be 5 mm to 160 mm");

    let mut low = Request::usual(CutId::PorkChop, PRESETS[0].machine());
    low.setting = Some(celsius(70.0));
    assert!(matches!(plan(&low), Err(PlanError::BelowLowest { .. })));
}

#[test]
fn what_makes_no_sense_is_refused_with_the_way_out() {
    let base = || Request::usual(CutId::BeefRoast, PRESETS[2].machine());
    let refused = |request: &Request| plan(request).unwrap_err();

    let mut thick = base();
    thick.mass = Mass::from_grams(200.0);
    thick.thickness = Some(Length::from_millimetres(120.0));
    let error = refused(&thick);
    assert!(
        matches!(error, PlanError::ThicknessOfWeight { .. }),
        "{error}"
    );
    assert!(error.to_string().contains("check both numbers"));

    let mut flat = base();
    flat.mass = Mass::from_grams(3000.0);
    flat.thickness = Some(Length::from_millimetres(22.0));
    assert!(matches!(refused(&flat), PlanError::TooLarge { .. }));

    let mut many = Request::usual(CutId::BoneInThigh, PRESETS[0].machine());
    many.pieces = 60;
    assert!(matches!(refused(&many), PlanError::TooMany { .. }));

    let mut spit = Request::usual(CutId::PartyWing, PRESETS[2].machine());
    spit.support = Support::Spit;
    assert!(matches!(refused(&spit), PlanError::CannotHold { .. }));

    let mut drawer_spit = Request::usual(CutId::WholeChicken, drawer());
    drawer_spit.support = Support::Spit;
    assert!(matches!(
        refused(&drawer_spit),
        PlanError::CannotHold { .. }
    ));

    let mut late = Request::usual(CutId::PorkChop, drawer());
    late.actions = vec![PlannedAction::at(40.0, Action::Turn(Which::All))];
    assert!(matches!(refused(&late), PlanError::AfterTheEnd { .. }));

    let mut hot = base();
    hot.programme = Programme::HotStart {
        setting: celsius(280.0),
        time: Interval::from_minutes(10.0),
    };
    assert!(matches!(refused(&hot), PlanError::NotOnTheDial { .. }));
    hot.programme = Programme::HotFinish {
        setting: celsius(220.0),
        time: Interval::from_minutes(-5.0),
    };
    assert!(matches!(refused(&hot), PlanError::OutOfBounds(_)));
}

/// Common practice: a hot start shortens a roast and colours it, as does a hot finish.
#[test]
fn programmes_do_what_they_are_for() {
    let mut roast = Request::usual(CutId::BeefRoast, PRESETS[2].machine());
    roast.setting = Some(celsius(150.0));
    let steady = plan(&roast).unwrap();
    let (setting, time) = (celsius(220.0), Interval::from_minutes(20.0));
    roast.programme = Programme::HotStart { setting, time };
    let start = plan(&roast).unwrap();
    roast.programme = Programme::HotFinish { setting, time };
    let finish = plan(&roast).unwrap();
    let colour = |plan: &Plan| {
        plan.outcomes
            .faces
            .map(|face| face.amount)
            .into_iter()
            .sum::<f64>()
    };
    for programme in [&start, &finish] {
        assert!(programme.pull_at < steady.pull_at);
        assert!(colour(programme) > colour(&steady));
        assert!(
            programme
                .steps
                .iter()
                .any(|step| step.kind == StepKind::Set)
        );
    }
    let at = finish.finish_at.unwrap();
    assert!((finish.pull_at.minutes() - at.minutes() - 20.0).abs() <= 1.5);
}

/// Common practice: foil keeps sides and base pale, a plate sears from below, a spit colours all
/// sides alike; more of a side dish takes longer.
#[test]
fn ways_of_holding_do_what_they_are_for() {
    let with = |support, change: fn(&mut Request)| {
        let mut request = Request::usual(CutId::BeefSteak, PRESETS[2].machine());
        request.turn = TurnRule::Never;
        request.support = support;
        change(&mut request);
        plan(&request).unwrap()
    };
    let lower = |plan: &Plan| plan.outcomes.faces[1].amount;
    let basket = with(Support::Basket, |_| ());
    assert!(lower(&with(Support::FoilBox, |_| ())) < 0.1 * lower(&basket).max(0.01));
    assert!(lower(&with(Support::Rack, |_| ())) >= lower(&basket));
    let plate = with(Support::GrillPlate, |request| {
        request.preheat = PreheatRule::Always
    });
    assert!(plate.pull_at < basket.pull_at);
    assert!(
        plate.preheat.unwrap().minutes() > 5.0,
        "a plate takes its time"
    );

    let mut bird = Request::usual(CutId::WholeChicken, PRESETS[2].machine());
    bird.support = Support::Spit;
    let plan = plan(&bird).unwrap();
    assert_eq!(plan.turn_at, None);
    let [above, below] = &plan.outcomes.faces;
    assert!((above.amount / below.amount - 1.0).abs() < 0.1);
}

/// Common practice: a crowded basket needs some 5-10 min more on 20, and browns worse. Twelve
/// thighs where six have air.
#[test]
fn crowding_costs_minutes_and_colour() {
    let with = |load| {
        let mut request = Request::usual(CutId::BoneInThigh, drawer());
        request.pieces = 12;
        request.load = load;
        request.target = celsius(77.0);
        plan(&request).unwrap()
    };
    let (airy, heap) = (with(LoadRule::WithAir), with(LoadRule::AllAtOnce));
    assert!(airy.batches.len() > 1 && heap.batches.len() == 1);
    let on_20 = (heap.pull_at.minutes() / airy.pull_at.minutes() - 1.0) * 20.0;
    assert!((3.0..=14.0).contains(&on_20), "{on_20:.1} min more on 20");
    assert!(heap.loading.later_than_airy > airy.loading.later_than_airy);
    // Paler over all, though what is free browns as it should; with air hardly any is lost.
    let [laid, free] = heap.loading.browning;
    assert!(laid < free, "{laid:?} {free:?}");
    assert_eq!(airy.loading.browning[0], airy.loading.browning[1]);
    assert!(heap.loading.airiness() < airy.loading.airiness());
    // Each names the other with its cost.
    let other = airy.loading.other.unwrap();
    assert_eq!((other.rule, other.batches), (LoadRule::AllAtOnce, 1));
    assert!((other.out.minutes() / heap.pull_at.minutes() - 1.0).abs() < 0.15);
    assert_eq!(heap.loading.other.unwrap().rule, LoadRule::WithAir);
}

/// A layout by hand is taken as it is, and its cost with it; what is none is refused.
#[test]
fn a_layout_by_hand_is_taken_as_it_is() {
    let mut request = Request::usual(CutId::BoneInThigh, drawer());
    let own = plan(&request).unwrap();
    let mut poses = own.loading.loads[0].trays[0].layout.poses.clone();
    for pose in &mut poses {
        // Pushed together in the middle.
        pose.x *= 0.6;
        pose.y *= 0.6;
    }
    let placed = |pose: &Pose| Placed {
        pose: *pose,
        ..Placed::default()
    };
    request.layout = Some(poses.iter().map(placed).collect());
    let moved = plan(&request).unwrap();
    assert_eq!(moved.loading.loads[0].trays[0].layout.poses, poses);
    assert!(moved.loading.airiness() < own.loading.airiness());
    assert!(moved.pull_at >= own.pull_at);
    request.layout = Some(Vec::new());
    assert!(matches!(plan(&request), Err(PlanError::LaidOut { .. })));
    request.layout = Some(vec![placed(&poses[0]); 9]);
    assert!(matches!(plan(&request), Err(PlanError::LaidOut { .. })));
}

/// A wet surface must dry before it browns, a crumb is dry already, baking powder browns sooner
/// (common practice).
#[test]
fn surfaces_do_what_they_are_for() {
    // Thighs wait for their colour, so the quicker surface is out sooner.
    let minutes = |surface| {
        let mut request = Request::usual(CutId::BonelessThigh, drawer());
        request.surface = surface;
        // Not rounded to the clock: drying a wet surface takes less than a minute.
        synthetic(&request, [0.0; 5]).unwrap().pull.minutes()
    };
    assert!(minutes(Surface::RAW) > minutes(Surface::PATTED_DRY));
    assert!(minutes(Surface::PATTED_DRY) > minutes(Surface::RUBBED));
    assert!(minutes(Surface::RUBBED) > minutes(Surface::FRIDGE_DRIED));
    assert!(minutes(Surface::RUBBED) > minutes(Surface::BAKING_POWDER));
}

/// Common practice, told of wings: from 232 °C down to 204 °C, add about 5 min to 25. (Thick pieces,
/// whose core waits for heat to walk in, react less in this model: see `docs/model.md`.)
#[test]
fn a_lower_ceiling_costs_wings_minutes_as_kitchens_say() {
    let minutes = |setting: f64| {
        let mut request = Request::usual(CutId::WholeWing, PRESETS[2].machine());
        request.target = celsius(77.0);
        request.setting = Some(celsius(setting));
        plan(&request).unwrap().pull_at.minutes()
    };
    let (hot, cool) = (minutes(232.0), minutes(204.0));
    let on_25 = (cool / hot - 1.0) * 25.0;
    assert!((2.0..=8.0).contains(&on_25), "{hot} and {cool}, {on_25:.1}");
}

#[test]
fn warnings_appear_where_they_apply() {
    let kinds = |request: &Request| -> Vec<WarningKind> {
        plan(request)
            .unwrap()
            .warnings
            .iter()
            .map(|warning| warning.kind)
            .collect()
    };
    let mut belly = Request::usual(CutId::PorkBellySlab, drawer());
    assert!(!kinds(&belly).contains(&WarningKind::Smoke));
    belly.setting = Some(celsius(204.0));
    assert!(kinds(&belly).contains(&WarningKind::Smoke));

    let mut sauced = Request::usual(CutId::Drumstick, drawer());
    sauced.sauce = SauceRule::BeforeAndAtTurn;
    assert!(kinds(&sauced).contains(&WarningKind::SauceTooEarly));
    sauced.sauce = SauceRule::LastMinutes;
    assert!(!kinds(&sauced).contains(&WarningKind::SauceTooEarly));

    let mut burnt = Request::usual(CutId::PorkLoinRoast, PRESETS[2].machine());
    burnt.setting = Some(celsius(232.0));
    assert!(kinds(&burnt).contains(&WarningKind::SurfaceBurns));

    let mut pale = Request::usual(CutId::Drumstick, drawer());
    pale.setting = Some(celsius(105.0));
    pale.surface = Surface::RAW;
    assert!(kinds(&pale).contains(&WarningKind::StaysPale));

    let roast = Request::usual(CutId::PorkLoinRoast, PRESETS[0].machine());
    assert!(kinds(&roast).contains(&WarningKind::NearElement));
}

#[test]
fn measuring_takes_an_assumption_away() {
    let guessed = plan(&Request::usual(CutId::Drumstick, drawer())).unwrap();
    let mut request = Request::usual(CutId::Drumstick, drawer());
    request.thickness = Some(Length::from_millimetres(44.0));
    request.start = Start::Measured(celsius(4.0));
    let measured = plan(&request).unwrap();
    let to_measure = |plan: &Plan| plan.assumptions.iter().filter(|a| a.measurable).count();
    assert_eq!((to_measure(&guessed), to_measure(&measured)), (2, 0));
    let worth = |plan: &Plan| {
        let thickness = |a: &&Assumption| a.kind == Unknown::Thickness;
        plan.assumptions
            .iter()
            .find(thickness)
            .unwrap()
            .worth
            .minutes()
    };
    assert!(worth(&guessed) > 2.0 * worth(&measured));
    assert!((guessed.pull_at.minutes() - measured.pull_at.minutes()).abs() <= 1.0);
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 24, ..ProptestConfig::default() })]

    /// Asked backwards and forwards again: the setting for a deadline meets it, and the next
    /// lower mark of the dial does not; a recipe read for its own machine is itself.
    #[test]
    fn inverse_questions_give_the_target_back(
        cut in 0..CATALOGUE.len(),
        minutes in 10.0f64..90.0,
    ) {
        let request = Request::usual(CATALOGUE[cut].id, PRESETS[2].machine());
        let within = Interval::from_minutes(minutes);
        if let Ok(found) = setting_for(&request, within) {
            prop_assert!(found.pull_at <= within);
            let forward = plan(&Request { setting: Some(found.setting), ..request.clone() }).unwrap();
            let apart = forward.pull_at.minutes() - found.pull_at.minutes();
            prop_assert!(apart.abs() < 0.1, "{apart}");
            // The next lower mark of the dial is too slow, or keeps the meat warm and raw for too long.
            let lower = found.setting.celsius() - request.machine.step.kelvins().max(1.0);
            if lower >= request.machine.lowest.celsius() {
                let slower = plan(&Request { setting: Some(celsius(lower)), ..request.clone() });
                if let Ok(slower) = slower {
                    let late = slower.pull_at.minutes() > minutes - 1.5 - 0.05 * minutes;
                    let warm = slower.passes_60.is_none_or(|passed| passed.minutes() > 110.0);
                    prop_assert!(late || warm, "{:?} does as well", slower.pull_at);
                }
            }
        }
        let recipe = Request { setting: Some(celsius(180.0)), ..request };
        let same = convert(&recipe, within, &recipe.machine);
        if let Ok(same) = same {
            // One step of the coarse grid, while the inside is wet: a piece that has boiled dry
            // warms by more than that in a step.
            let (here, there) = (same.here.core.celsius(), same.there.core.celsius());
            prop_assert!((here - there).abs() < 2.5 || there > 100.0, "{here} {there}");
        }
    }

    /// Check 7: thicker, colder, cooler, weaker -> never sooner. One mark of the kitchen clock is
    /// allowed for the rounding of turn and pull.
    #[test]
    fn directions_hold(
        cut in 0..CATALOGUE.len(),
        scale in 0.85f64..1.2,
        thicker in 1.05f64..1.2,
        colder in 1.0f64..4.0,
        cooler in 5.0f64..20.0,
    ) {
        let entry = &CATALOGUE[cut];
        let mut base = Request::usual(entry.id, drawer());
        base.thickness = Some(Length::from_millimetres(
            (entry.expected_thickness(base.mass).millimetres() * scale).min(100.0),
        ));
        base.start = Start::Measured(celsius(5.0));
        // One alone: at the same weight thicker pieces are shorter and lie with more air.
        base.pieces = 1;
        base.setting = Some(celsius(190.0));
        let minutes = |request: &Request| plan(request).unwrap().pull_at.minutes();
        let from = minutes(&base);
        let slack = if from < 15.0 { 0.5 } else { 1.0 };

        let mut other = base.clone();
        other.thickness = Some(Length::from_millimetres(
            (base.thickness_used().millimetres() * thicker).min(108.0),
        ));
        prop_assert!(minutes(&other) + slack >= from, "thicker");
        let mut other = base.clone();
        other.start = Start::Measured(celsius(5.0 - colder));
        prop_assert!(minutes(&other) + slack >= from, "colder");
        let mut other = base.clone();
        other.setting = Some(celsius(190.0 - cooler));
        prop_assert!(minutes(&other) + slack >= from, "cooler");
        let mut other = base.clone();
        other.machine.power = ember_core::units::Power::from_watts(900.0);
        prop_assert!(minutes(&other) + slack >= from, "weaker");
    }

    /// Whatever lies inside the bounds gives a plan or a typed reason; never a value that is no
    /// number, and twice the same answer.
    #[test]
    fn anything_inside_the_bounds_is_answered(
        cut in 0..CATALOGUE.len(),
        mass in PIECE_MASS.min..PIECE_MASS.max,
        thickness in THICKNESS.min..THICKNESS.max,
        setting in SETTING.min..SETTING.max,
        pieces in 1u32..60,
        target in 60.0f64..98.0,
    ) {
        let mut request = Request::usual(CATALOGUE[cut].id, PRESETS[2].machine());
        request.mass = Mass::from_grams(mass);
        request.thickness = Some(Length::from_millimetres(thickness));
        request.setting = Some(celsius(setting));
        request.pieces = pieces;
        request.target = celsius(target);
        let first = plan(&request);
        if let Ok(plan) = &first {
            prop_assert!(plan.picture.field.iter().all(|t| t.is_finite()));
            prop_assert!(plan.steps.iter().all(|step| step.at.seconds().is_finite()));
            prop_assert!(plan.peak_core.celsius() >= plan.pull_core.celsius());
            prop_assert!((0.0..1.0).contains(&plan.outcomes.water_lost), "{}", plan.outcomes.water_lost);
        }
        prop_assert_eq!(first, plan(&request));
    }
}

/// A refusal has a quantity for each place that is left open, in both systems, and never both in one.
#[test]
fn refusals_are_told_in_the_cooks_units() {
    let base = || Request::usual(CutId::BackRibs, PRESETS[0].machine());
    let mut large = base();
    large.mass = Mass::from_grams(1400.0);
    let mut tall = Request::usual(CutId::BeefRoast, PRESETS[0].machine());
    tall.thickness = Some(Length::from_millimetres(95.0));
    let mut low = base();
    low.setting = Some(celsius(65.0));
    let mut thick = base();
    thick.mass = Mass::from_grams(200.0);
    thick.thickness = Some(Length::from_millimetres(120.0));
    for request in [large, tall, low, thick] {
        let message = plan(&request).unwrap_err().message();
        assert_eq!(
            message.text.matches("{}").count(),
            message.values.len(),
            "{message:?}"
        );
        let told = message.render(TemperatureScale::Fahrenheit, WeightSystem::Imperial);
        assert!(
            !told.contains("mm") && !told.contains("°C") && !told.contains(" g"),
            "{told}"
        );
        assert_eq!(message.metric(), plan(&request).unwrap_err().to_string());
    }
}

/// Common practice: crumb without egg comes off and is told to; egg or a spray holds it. A crust that
/// stays keeps more heat from the meat.
#[test]
fn what_nothing_holds_falls_off_and_is_told() {
    let loose = [Layer::PattedDry, Layer::Crumb];
    let held = [Layer::PattedDry, Layer::Egg, Layer::Crumb];
    let planned = |layers: &[Layer]| {
        let mut request = Request::usual(CutId::PorkChop, drawer());
        request.surface = Surface::layered(layers).unwrap();
        plan(&request).unwrap()
    };
    let told = |plan: &Plan| {
        let mut warnings = plan.warnings.iter();
        warnings.any(|one| one.kind == WarningKind::FallsOff)
    };
    assert!(told(&planned(&loose)) && !told(&planned(&held)));
    let start = |layers: &[Layer]| Surface::layered(layers).unwrap().start();
    assert!(start(&held).dry_layer > 1.5 * start(&loose).dry_layer);
}
