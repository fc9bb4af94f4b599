//! Two goals, inside and outside; what is planned to be done on the way; recipes read for other machines.

use ember_core::doneness::Handling;
use ember_core::fryer::{Action, Baste, Machine, PRESETS, Support, Which};
use ember_core::heat::Looking;
use ember_core::meat::{Browning, CutId, FirstUp, Surface};
use ember_core::plan::{
    BatchOrder, Decides, GoalChange, LoadRule, Origin, Outside, Plan, PlanError, PlannedAction,
    PreheatRule, Programme, Request, SauceRule, Start, Step, StepKind, TurnRule, WarningKind, When,
    convert, equivalent, plan, render,
};
use ember_core::prep::Ahead;
use ember_core::units::{Interval, Length, Mass, Temperature};

fn drawer() -> Machine {
    PRESETS[1].machine()
}

fn shelves() -> Machine {
    PRESETS[2].machine()
}

fn celsius(value: f64) -> Temperature {
    Temperature::from_celsius(value)
}

fn minutes(value: f64) -> Interval {
    Interval::from_minutes(value)
}

fn steps(plan: &Plan, kind: StepKind) -> Vec<&Step> {
    plan.steps.iter().filter(|step| step.kind == kind).collect()
}

fn with(id: CutId, actions: Vec<PlannedAction>) -> Request {
    Request {
        turn: TurnRule::Never,
        actions,
        ..Request::usual(id, drawer())
    }
}

const TURN: Action = Action::Turn(Which::All);

/// A breaded chop "until juicy" said "197 °F means out": the reading decides the inside only.
#[test]
fn the_outside_does_not_override_the_inside() {
    let mut chop = Request::usual(CutId::BreadedChop, drawer());
    chop.mass = Mass::from_grams(142.0);
    let golden = plan(&chop).unwrap();
    let goals = &golden.goals;
    assert_eq!(
        (goals.outside, goals.decides),
        (Outside::Golden, Decides::Outside)
    );
    assert!(goals.inside_at < goals.outside_at.unwrap());
    assert!((golden.pull_at.minutes() - goals.outside_at.unwrap().minutes()).abs() <= 0.5);
    assert!(
        golden.pull_core_shown().celsius() <= 63.0,
        "{:?}",
        golden.pull_core_shown()
    );
    let check = steps(&golden, StepKind::Check)[0];
    assert!(
        check.reason.text.contains("the inside is done"),
        "{}",
        check.reason.text
    );
    // More than 5 K past it is told, with what was computed to help.
    assert!(goals.past.kelvins() > 5.0);
    let told = golden
        .warnings
        .iter()
        .find(|one| one.kind == WarningKind::PastTheInside)
        .unwrap();
    assert!(
        told.message
            .text
            .starts_with("Safe and juicy inside at {}, golden at {}")
    );
    let pale = goals
        .alternatives
        .iter()
        .find(|one| one.change == GoalChange::LeaveItPale)
        .unwrap();
    chop.outside = Some(Outside::AsItComes);
    let left = plan(&chop).unwrap();
    assert_eq!(left.goals.decides, Decides::Inside);
    assert!((pale.pull_at.minutes() - left.pull_at.minutes()).abs() < 1.5);
    assert!(left.goals.alternatives.is_empty());
}

/// "Thighs take 24 min whatever the target": the further the inside should go, the longer.
#[test]
fn the_inside_moves_the_cook_where_it_decides() {
    let at = |target: f64| {
        let mut thighs = Request::usual(CutId::BoneInThigh, drawer());
        thighs.outside = Some(Outside::AsItComes);
        thighs.target = celsius(target);
        plan(&thighs).unwrap().pull_at.minutes()
    };
    let times = [74.0, 77.0, 80.0, 83.0, 88.0].map(at);
    assert!(times.windows(2).all(|two| two[1] > two[0]), "{times:?}");
}

/// Each outside asks for more than the one before, and is reached where it is said to be.
#[test]
fn each_outside_is_what_it_says() {
    let of = |outside| {
        let mut wings = Request::usual(CutId::PartyWing, drawer());
        wings.outside = Some(outside);
        plan(&wings).unwrap()
    };
    let plans = Outside::ALL.map(of);
    assert!(plans[0].pull_at < plans[1].pull_at && plans[1].pull_at < plans[2].pull_at);
    for (outside, plan) in Outside::ALL.into_iter().zip(&plans) {
        let palest = plan
            .outcomes
            .faces
            .map(|face| face.browning)
            .into_iter()
            .min()
            .unwrap();
        assert!(palest >= outside.browning(), "{outside:?}: {palest:?}");
        assert_eq!(
            plan.goals.outside_at.is_some(),
            outside != Outside::AsItComes
        );
    }
    assert!(
        plans[3]
            .outcomes
            .faces
            .iter()
            .all(|face| face.dry_layer.millimetres() >= 0.55)
    );
    // Pale and soft is told, also where nobody asked for more: of riblets at 74 °C nothing was said.
    let mut riblets = Request::usual(CutId::RibTips, drawer());
    riblets.target = celsius(74.0);
    let riblets = plan(&riblets).unwrap();
    let told = riblets
        .warnings
        .iter()
        .find(|one| one.kind == WarningKind::StaysPale)
        .unwrap();
    assert!(
        told.message.text.contains("pale and soft"),
        "{}",
        told.message.text
    );
    let thin = plan(&Request::usual(CutId::ThinChop, drawer())).unwrap();
    assert!(
        thin.warnings
            .iter()
            .any(|one| one.kind == WarningKind::StaysPale)
    );
}

/// What is planned is done when it was planned, several of each, within a minute in one opening.
#[test]
fn what_is_planned_is_done_at_its_moment() {
    let planned = with(
        CutId::BoneInThigh,
        vec![
            PlannedAction::at(8.0, TURN),
            PlannedAction::at(8.5, Action::Spray),
            PlannedAction {
                when: When::Share(0.5),
                action: TURN,
            },
            PlannedAction {
                when: When::BeforeEnd(minutes(5.0)),
                action: Action::Sauce(Looking::Up),
            },
            PlannedAction {
                when: When::Golden,
                action: Action::Baste(Baste::Fat),
            },
        ],
    );
    let plan = plan(&planned).unwrap();
    let deeds = &plan.batches[0].deeds;
    let at = |number| {
        let deed = deeds
            .iter()
            .find(|deed| deed.origin == Origin::Own(number))
            .unwrap();
        deed.at / 60.0
    };
    assert_eq!((at(0), at(1)), (8.0, 8.0));
    let pull = plan.pull_at.minutes();
    assert!((at(2) - pull / 2.0).abs() <= 1.0, "{} of {pull}", at(2));
    assert!((at(3) - (pull - 5.0)).abs() <= 1.0, "{} of {pull}", at(3));
    assert!(at(4) > 8.0 && at(4) < pull, "{} of {pull}", at(4));
    let turns = steps(&plan, StepKind::Turn);
    assert_eq!(turns.len(), 2);
    assert_eq!(turns[0].title.text, "Turn every piece, spray with oil");
    // Each is told with its worth.
    assert_eq!(plan.worths.len(), 5);
    let once = with(CutId::BoneInThigh, vec![PlannedAction::at(14.0, TURN)]);
    let once = ember_core::plan::plan(&once).unwrap();
    assert_ne!(once.worths[0].with, once.worths[0].without);
}

/// Directions, by hand: an open door, a side dish, water on the surface and time outside take longer; a
/// hotter dial does not; a spit that stands still browns one side.
#[test]
fn actions_do_what_they_do() {
    let base = with(CutId::BoneInThigh, Vec::new());
    let out = |actions: Vec<PlannedAction>| {
        let mut request = base.clone();
        request.outside = Some(Outside::AsItComes);
        request.actions = actions;
        plan(&request).unwrap()
    };
    let usual = out(Vec::new()).pull_at;
    let one = |action| out(vec![PlannedAction::at(6.0, action)]).pull_at;
    assert!(one(Action::Open(minutes(3.0))) > usual);
    assert!(one(Action::AddSide(Mass::from_grams(900.0))) > usual);
    assert!(one(Action::Baste(Baste::Water)) >= usual);
    assert!(one(Action::Baste(Baste::Fat)) <= one(Action::Baste(Baste::Water)));
    assert!(one(Action::Set(celsius(150.0))) > usual);
    let away = out(vec![
        PlannedAction::at(6.0, Action::TakeOut),
        PlannedAction::at(12.0, Action::PutBack),
    ]);
    assert!(away.pull_at.minutes() > usual.minutes() + 2.0);
    let taken = out(vec![
        PlannedAction::at(4.0, Action::AddSide(Mass::from_grams(900.0))),
        PlannedAction::at(8.0, Action::TakeSide),
    ]);
    let left = out(vec![PlannedAction::at(
        4.0,
        Action::AddSide(Mass::from_grams(900.0)),
    )]);
    assert!(taken.pull_at <= left.pull_at);
    let mut bird = Request::usual(CutId::WholeChicken, shelves());
    bird.support = Support::Spit;
    let turned = plan(&bird).unwrap();
    bird.actions = vec![
        PlannedAction::at(5.0, Action::SpitStops),
        PlannedAction::at(30.0, Action::SpitTurns),
    ];
    let stopped = plan(&bird).unwrap();
    let apart = |plan: &Plan| {
        let [up, down] = plan.outcomes.faces.map(|face| face.amount);
        (up - down).abs() / up.max(down)
    };
    assert!(apart(&stopped) > apart(&turned) + 0.05);
}

/// The same recipe said as the cook's own actions gives the same cook.
#[test]
fn a_method_is_a_recipe_of_actions() {
    let mut method = Request::usual(CutId::Drumstick, drawer());
    method.turn = TurnRule::HalfWay;
    method.sauce = SauceRule::LastMinutes;
    method.programme = Programme::HotFinish {
        setting: celsius(200.0),
        time: minutes(4.0),
    };
    method.setting = Some(celsius(180.0));
    let mut own = method.clone();
    own.turn = TurnRule::Never;
    own.sauce = SauceRule::None;
    own.programme = Programme::Steady;
    own.actions = vec![
        PlannedAction {
            when: When::Share(0.5),
            action: TURN,
        },
        PlannedAction {
            when: When::BeforeEnd(minutes(7.0)),
            action: Action::Sauce(Looking::Both),
        },
        PlannedAction {
            when: When::BeforeEnd(minutes(4.0)),
            action: Action::Set(celsius(200.0)),
        },
    ];
    let (method, own) = (plan(&method).unwrap(), plan(&own).unwrap());
    assert_eq!(method.pull_at, own.pull_at);
    let at = |plan: &Plan| -> Vec<(f64, Action)> {
        plan.batches[0]
            .deeds
            .iter()
            .map(|deed| (deed.at, deed.action))
            .collect()
    };
    assert_eq!(at(&method), at(&own));
}

/// Planned for after it is done, within reason, it is waited for; for hours after, refused.
#[test]
fn no_pull_before_a_planned_turn() {
    let ribs = |last: f64| {
        let mut request = with(
            CutId::BeefShortRib,
            vec![
                PlannedAction::at(15.0, TURN),
                PlannedAction::at(last - 5.0, Action::Sauce(Looking::Up)),
                PlannedAction::at(last, TURN),
                PlannedAction::at(last, Action::Sauce(Looking::Up)),
            ],
        );
        request.setting = Some(celsius(196.0));
        request.target = celsius(75.0);
        plan(&request)
    };
    let sauced = ribs(35.0).unwrap();
    assert_eq!(
        (sauced.pull_at.minutes(), sauced.goals.decides),
        (40.0, Decides::Planned)
    );
    assert!(sauced.check_from.minutes() >= 35.0);
    assert!(matches!(ribs(200.0), Err(PlanError::AfterTheEnd { .. })));
}

/// A half-way turn does not say what only a balanced one does; faces are called by their names.
#[test]
fn reasons_are_true() {
    let mut bird = Request::usual(CutId::WholeChicken, drawer());
    bird.turn = TurnRule::HalfWay;
    let text = render(&plan(&bird).unwrap());
    assert!(!text.contains("both end"), "{text}");
    assert!(
        text.contains("breast up") && text.contains("back up now"),
        "{text}"
    );
    let mut thighs = Request::usual(CutId::BoneInThigh, drawer());
    assert_eq!(thighs.first_up, FirstUp::Other);
    let down_first = render(&plan(&thighs).unwrap());
    assert!(down_first.contains("flesh up") && down_first.contains("skin up now"));
    thighs.first_up = FirstUp::Show;
    assert!(render(&plan(&thighs).unwrap()).contains("flesh up now"));
    let mut spit = Request::usual(CutId::WholeChicken, shelves());
    spit.support = Support::Spit;
    let plan_of = plan(&spit).unwrap();
    assert!(steps(&plan_of, StepKind::Turn).is_empty());
    let check = &steps(&plan_of, StepKind::Check)[0].reason.text;
    assert!(check.contains("stop the spit; from the side"), "{check}");
    let mut twins = Request::usual(CutId::Drumstick, PRESETS[4].machine());
    twins.programme = Programme::HotStart {
        setting: celsius(200.0),
        time: minutes(5.0),
    };
    twins.setting = Some(celsius(190.0));
    let set = plan(&twins).unwrap();
    let dial = steps(&set, StepKind::Set)[0];
    assert!(dial.title.text.starts_with("Set ") && dial.title.text.ends_with(" to {}"));
    assert_eq!(dial.title.values.len(), 1);
}

/// A hot machine is not switched on empty again; thin first, and "4, then 2 squeezed", as the cook says.
#[test]
fn batches_go_as_the_cook_says() {
    let mut second = Request::usual(CutId::ThinChop, drawer());
    second.preheat = PreheatRule::Hot;
    let hot = plan(&second).unwrap();
    assert!(hot.preheat.is_none() && steps(&hot, StepKind::Preheat).is_empty());
    second.preheat = PreheatRule::Never;
    assert!(plan(&second).unwrap().pull_at > hot.pull_at);

    let mut chops = Request::usual(CutId::PorkChop, drawer());
    chops.pieces = 6;
    chops.weights = [280.0, 280.0, 140.0, 140.0, 140.0, 140.0]
        .map(Mass::from_grams)
        .to_vec();
    let first = |request: &Request| plan(request).unwrap().batches[0].heaviest.grams();
    assert_eq!(first(&chops), 280.0);
    chops.order = BatchOrder::LightestFirst;
    assert_eq!(first(&chops), 140.0);

    let mut thighs = Request::usual(CutId::BoneInThigh, drawer());
    thighs.pieces = 12;
    thighs.split = vec![3, 9];
    let split = plan(&thighs).unwrap();
    let pieces: Vec<u32> = split.batches.iter().map(|batch| batch.pieces).collect();
    assert_eq!(pieces, [3, 9]);
    assert!(
        split.batches[1].cook > split.batches[0].cook,
        "squeezed takes longer"
    );
    thighs.split = vec![4, 4];
    assert!(matches!(
        plan(&thighs),
        Err(PlanError::Split {
            split: 8,
            pieces: 12
        })
    ));
    // Every batch has a check of its own, by name.
    let checks = steps(&split, StepKind::Check);
    assert_eq!(checks[1].title.text, "Check batch 2 with the thermometer");
    assert_eq!(thighs.load, LoadRule::WithAir);
}

/// The earliest "out" is not before the check.
#[test]
fn nothing_is_out_before_it_is_checked() {
    for id in [
        CutId::PartyWing,
        CutId::PorkChop,
        CutId::ThinChop,
        CutId::BeefRoast,
        CutId::WholeChicken,
    ] {
        let plan = plan(&Request::usual(id, drawer())).unwrap();
        let early = plan.ensemble.as_ref().unwrap().pull().early.minutes();
        let turn = plan.turn_at.map_or(0.0, |turn| turn.minutes());
        let check = plan.check_from.minutes();
        assert!(check <= early.max(turn + 1.0), "{id:?}: {check} {early}");
        assert!(check >= turn, "{id:?}");
    }
}

/// "232 °C for 20 min" became "144 °C for 78": the nearest setting of the dial, the goal that decided,
/// and itself for its own machine.
#[test]
fn a_recipe_is_read_for_the_nearest_setting() {
    let mut wings = Request::usual(CutId::PartyWing, shelves());
    wings.surface = Surface::FLOURED;
    wings.machine.highest = celsius(232.0);
    wings.setting = Some(celsius(232.0));
    let here = convert(&wings, minutes(20.0), &drawer()).unwrap();
    assert_eq!(here.setting, drawer().highest);
    assert!(
        (15.0..40.0).contains(&here.time.minutes()),
        "{:?}",
        here.time
    );
    assert_eq!(here.decides, Decides::Outside);
    assert!(here.here.browning[0] >= Browning::Golden);
    let itself = convert(&wings, minutes(20.0), &wings.machine).unwrap();
    assert_eq!(
        (itself.setting, itself.time),
        (celsius(232.0), minutes(20.0))
    );
    assert_eq!(itself.here, itself.there);
    // What the recipe does not reach is told.
    let mut breast = Request::usual(CutId::BonelessBreast, shelves());
    breast.thickness = Some(Length::from_millimetres(40.0));
    let short = convert(&breast, minutes(8.0), &drawer()).unwrap();
    assert!((short.below.unwrap().fahrenheit() - 165.0).abs() < 1e-6);
    assert_eq!(short.decides, Decides::Inside);
    // The way out of a setting that is too hot says the same as the question.
    let mut hot = wings.clone();
    hot.machine = drawer();
    hot.setting = Some(celsius(232.0));
    let Err(PlanError::AboveCeiling { at_ceiling, .. }) = plan(&hot) else {
        unreachable!("232 °C is above 200");
    };
    let same = equivalent(&wings, &drawer()).unwrap().as_set;
    assert_eq!(same.setting, drawer().highest);
    assert!((same.pull_at.minutes() - at_ceiling.minutes()).abs() < 1.5);
}

/// Common practice: pieces and chops straight from the freezer take about half as long again; whole birds,
/// joints, opened and breaded meat are thawed first.
#[test]
fn from_the_freezer_it_takes_about_half_as_long_again() {
    for id in [
        CutId::PartyWing,
        CutId::PorkChop,
        CutId::BonelessBreast,
        CutId::BoneInThigh,
    ] {
        let minutes = |start| {
            let mut request = Request::usual(id, drawer());
            request.start = start;
            plan(&request).unwrap()
        };
        let (fridge, frozen) = (minutes(Start::Fridge), minutes(Start::Frozen));
        let longer = frozen.goals.inside_at.minutes() / fridge.goals.inside_at.minutes();
        assert!((1.2..=1.8).contains(&longer), "{id:?}: {longer:.2}");
        let warned = |plan: &Plan| {
            let kinds = plan.warnings.iter().map(|warning| warning.kind);
            kinds
                .into_iter()
                .any(|kind| kind == WarningKind::FromFrozen)
        };
        assert!(warned(&frozen) && !warned(&fridge));
    }
    let refused = |change: fn(&mut Request), id| {
        let mut request = Request::usual(id, PRESETS[2].machine());
        request.start = Start::Frozen;
        change(&mut request);
        matches!(plan(&request), Err(PlanError::NotFromFrozen { .. }))
    };
    assert!(refused(|_| (), CutId::WholeChicken));
    assert!(refused(|_| (), CutId::SpatchcockedChicken));
    assert!(refused(|_| (), CutId::PorkLoinRoast));
    assert!(refused(|_| (), CutId::BeefRoast));
    assert!(refused(|_| (), CutId::BreadedChop));
    assert!(refused(
        |chop| chop.handling = Handling::Tenderised,
        CutId::PorkChop
    ));
    assert!(refused(
        |chop| chop.ahead = vec![Ahead::Blot],
        CutId::PorkChop
    ));
}

/// What is told to a cook is what a thermometer shows: a little above the coldest spot while it heats, and
/// on the plate more than in the machine (source: an independent model's chop, 57 °C at the pull, 65 two
/// minutes later).
#[test]
fn readings_stand_beside_the_coldest_spot() {
    for id in [CutId::PorkChop, CutId::BeefSteak, CutId::BonelessBreast] {
        let plan = plan(&Request::usual(id, drawer())).unwrap();
        let above = (plan.readings.pull - plan.pull_core).kelvins();
        assert!((0.5..6.0).contains(&above), "{id:?}: {above:.1}");
        let rise = (plan.readings.later - plan.readings.pull).kelvins();
        assert!((1.0..10.0).contains(&rise), "{id:?}: {rise:.1}");
        assert!(plan.readings.peak >= plan.readings.later);
        // Safety goes by the coldest spot: what is read at the least stands for it.
        assert!(plan.readings.done > plan.goals.inside_core);
    }
}

/// Common practice: a slab of belly leaves a tenth to a fifth of its weight in the drawer, most of it fat; a
/// breast next to no fat.
#[test]
fn what_drips_is_told() {
    let belly = plan(&Request::usual(CutId::PorkBellySlab, drawer())).unwrap();
    let share = belly.outcomes.dripped.grams() / 750.0;
    assert!((0.08..0.22).contains(&share), "{share:.2}");
    assert!(belly.outcomes.rendered.grams() > 0.4 * belly.outcomes.dripped.grams());
    let breast = plan(&Request::usual(CutId::BonelessBreast, drawer())).unwrap();
    assert!(breast.outcomes.rendered.grams() < 5.0);
    assert!(breast.outcomes.cooked_yield < 1.0 - breast.outcomes.water_lost);
}
