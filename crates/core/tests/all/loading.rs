//! What loading does to a plan: racks, drawers, weights, batches that wait, sections, spit, tumbler.

use ember_core::basket::{Tie, Tumbling};
use ember_core::fryer::{Calibration, Machine, PRESETS, Spit, Support};
use ember_core::meat::CutId;
use ember_core::plan::{
    HotHolding, How, LoadRule, Plan, PlanError, Request, StepKind, Turning, WarningKind, plan,
    render, synthetic, together,
};
use ember_core::units::{Length, Mass, Temperature, TemperatureDifference};

fn mm(value: f64) -> Length {
    Length::from_millimetres(value)
}

fn drawer() -> Machine {
    PRESETS[1].machine()
}

fn shelves() -> Machine {
    PRESETS[2].machine()
}

fn twins() -> Machine {
    PRESETS[4].machine()
}

fn of(cut: CutId, pieces: u32, machine: Machine) -> Request {
    Request {
        pieces,
        ..Request::usual(cut, machine)
    }
}

fn warned(plan: &Plan, kind: WarningKind) -> bool {
    plan.warnings.iter().any(|warning| warning.kind == kind)
}

/// More than one rack holds goes on two, which change places at the turn.
#[test]
fn two_racks_are_one_batch_and_are_swapped() {
    let one = plan(&of(CutId::BoneInThigh, 4, shelves())).unwrap();
    assert_eq!(one.batches[0].levels, 1);
    let request = of(CutId::BoneInThigh, 14, shelves());
    let two = plan(&request).unwrap();
    assert_eq!((two.batches.len(), two.batches[0].levels), (1, 2));
    assert_eq!(two.batches[0].swap_at, two.turn_at);
    assert!(two.pull_at > one.pull_at, "fuller is not sooner");
    let text = render(&two);
    assert!(
        text.contains("on 2 racks") && text.contains("swap the racks"),
        "{text}"
    );
    // The lower one lies under the upper, a rack's distance below it.
    let [lower, upper] = [0, 1].map(|n| two.loading.loads[0].trays[n].level);
    let height = |level: usize| two.loading.levels[level].height.millimetres();
    assert!(height(upper) - height(lower) > two.thickness.millimetres());
}

/// Common practice: the upper rack is the hotter one. Without the swap the lower lags.
#[test]
fn nearer_to_the_element_is_sooner() {
    let on = |rack| {
        let mut request = of(CutId::PorkChop, 2, shelves());
        request.rack = Some(rack);
        // Not rounded to the clock.
        synthetic(&request, [0.0; 5]).unwrap().pull
    };
    assert!(on(3) < on(1));
    let mut nowhere = of(CutId::PorkChop, 2, shelves());
    nowhere.rack = Some(7);
    assert!(matches!(
        plan(&nowhere),
        Err(PlanError::NoSuchLevel { asked: 7, there: 3 })
    ));
}

/// Two drawers: as even as they divide, half the power each; one drawer alone has more.
#[test]
fn two_drawers_share_out() {
    let one = plan(&of(CutId::BoneInThigh, 3, twins())).unwrap();
    assert_eq!(one.batches[0].second, None);
    let both = plan(&of(CutId::BoneInThigh, 9, twins())).unwrap();
    assert_eq!(both.batches.len(), 1);
    let second = both.batches[0].second.unwrap();
    assert_eq!(second.pieces, 4);
    assert!(second.cook <= both.batches[0].cook);
    assert!(both.pull_at >= one.pull_at);
    assert!(render(&both).contains("5 left and 4 right"));
}

/// Weighed one by one: thin apart from thick where their times do not agree, heaviest first.
#[test]
fn thin_go_apart_from_thick() {
    let mut request = of(CutId::BoneInThigh, 4, drawer());
    let weigh = |grams: [f64; 4]| grams.map(Mass::from_grams).to_vec();
    request.weights = weigh([150.0, 148.0, 155.0, 152.0]);
    let alike = plan(&request).unwrap();
    assert_eq!((alike.batches.len(), alike.loading.apart), (1, None));
    request.weights = weigh([90.0, 230.0, 95.0, 240.0]);
    let apart = plan(&request).unwrap();
    let why = apart.loading.apart.unwrap();
    assert!(why.heaviest.minutes() > why.lightest.minutes() + 2.0);
    assert_eq!(apart.batches.len(), 2);
    assert_eq!(apart.loading.loads[0].trays[0].pieces, [3, 1]);
    assert_eq!(apart.loading.loads[1].trays[0].pieces, [2, 0]);
    assert!(apart.batches[1].cook < apart.batches[0].cook);
    // Two drawers hold both at once; the lighter ones come out first.
    request.machine = twins();
    let drawers = plan(&request).unwrap();
    assert_eq!(drawers.batches.len(), 1);
    let second = drawers.batches[0].second.unwrap();
    assert!(second.cook < drawers.batches[0].cook);
    assert!(render(&drawers).contains("2 left and the 2 lighter ones right"));
    // All at once is possible, and its cost is named.
    assert_eq!(apart.loading.other.unwrap().rule, LoadRule::AllAtOnce);
    // The heaviest governs: no batch is out before a plan for it alone would be.
    let mut heavy = of(CutId::BoneInThigh, 2, drawer());
    heavy.mass = Mass::from_grams(240.0);
    let heavy = plan(&heavy).unwrap();
    assert!((apart.pull_at.minutes() - heavy.pull_at.minutes()).abs() <= 1.0);

    request.weights.pop();
    assert!(matches!(
        plan(&request),
        Err(PlanError::Weighed {
            weighed: 3,
            pieces: 4
        })
    ));
}

/// A gap the cook chooses is kept: wider gaps need more batches.
#[test]
fn a_wider_gap_takes_more_batches() {
    let batches = |gap: f64| {
        let mut request = of(CutId::Drumstick, 10, drawer());
        request.gap = Length::from_millimetres(gap);
        let plan = plan(&request).unwrap();
        for load in &plan.loading.loads {
            assert!(load.gap() >= gap - 1.0, "{gap} {}", load.gap());
        }
        plan.batches.len()
    };
    assert!(batches(0.0) <= batches(8.0) && batches(8.0) < batches(25.0));
}

/// The first batch: covered it cools, put back it is hot again.
#[test]
fn the_first_batch_is_kept_or_reheated() {
    let mut request = of(CutId::PartyWing, 30, PRESETS[0].machine());
    let warm = plan(&request).unwrap();
    let kept = warm.kept.unwrap();
    assert!(kept.wait.minutes() > 15.0);
    assert!(kept.core.celsius() < warm.pull_core.celsius());
    assert!(kept.stays_hot < kept.wait);
    assert!(warned(&warm, WarningKind::CoolsBetween));
    request.hot_holding = HotHolding::Reheat;
    let back = plan(&request).unwrap();
    let kept = back.kept.unwrap();
    assert!(kept.reheating.unwrap().core > kept.core);
    assert!(!warned(&back, WarningKind::CoolsBetween));
    assert!(back.eat_at >= warm.eat_at);
    let put_back = back
        .steps
        .iter()
        .find(|step| step.short() == "Put batch 1 back");
    assert_eq!(put_back.unwrap().kind, StepKind::Act);
    // One batch waits for nothing.
    assert_eq!(plan(&of(CutId::PartyWing, 6, drawer())).unwrap().kept, None);
}

/// What is too large says in how many sections it lies.
#[test]
fn a_rack_of_ribs_is_cut_to_fit() {
    let mut rack = of(CutId::BackRibs, 1, PRESETS[0].machine());
    rack.mass = Mass::from_grams(1100.0);
    let error = plan(&rack).unwrap_err();
    assert!(
        matches!(
            error,
            PlanError::TooLarge {
                division: Some(_),
                ..
            }
        ),
        "{error}"
    );
    assert!(error.to_string().contains("between the bones"), "{error}");
    // In a larger machine it lies, but the plan says what cutting would save.
    let mut slab = of(CutId::PorkBellySlab, 1, drawer());
    slab.mass = Mass::from_grams(1900.0);
    let plan = plan(&slab).unwrap();
    let division = plan.loading.division.unwrap();
    assert!((2..=4).contains(&division.sections));
    assert_eq!(division.thickness, plan.thickness);
}

/// A roast on the spit: free as tied, touching as it is not.
#[test]
fn a_spit_wants_a_tight_tie() {
    let mut roast = of(CutId::PorkLoinRoast, 1, shelves());
    roast.support = Support::Spit;
    let tight = plan(&roast).unwrap();
    assert_eq!(tight.turn_at, None);
    assert!(!warned(&tight, WarningKind::TurnsBadly));
    let Some(Turning::Spit(spitted)) = tight.loading.turning else {
        panic!("on the spit");
    };
    assert!(spitted.clearance.millimetres() > 15.0);
    roast.tie = Tie::Untied;
    assert!(warned(&plan(&roast).unwrap(), WarningKind::TurnsBadly));
    roast.tie = Tie::Tight;
    roast.machine.spit = Some(Spit {
        length: Length::from_millimetres(120.0),
        diameter: Length::from_millimetres(150.0),
        heaviest: Mass::from_grams(2000.0),
    });
    assert!(matches!(plan(&roast), Err(PlanError::NotOnTheSpit { .. })));
    roast.machine.spit = None;
    assert!(matches!(plan(&roast), Err(PlanError::CannotHold { .. })));
}

/// A tumbling basket is filled to a half; more is several batches, or turns badly.
#[test]
fn a_tumbling_basket_is_half_full() {
    let mut wings = of(CutId::PartyWing, 40, shelves());
    wings.support = Support::TumblingBasket;
    let some = plan(&wings).unwrap();
    assert!(some.batches.len() > 1);
    assert!(!warned(&some, WarningKind::TurnsBadly));
    wings.load = LoadRule::AllAtOnce;
    let full = plan(&wings).unwrap();
    assert_eq!(full.batches.len(), 1);
    assert!(warned(&full, WarningKind::TurnsBadly));
    assert!(matches!(
        full.loading.turning,
        Some(Turning::Tumbler {
            tumbling: Tumbling::Stuck | Tumbling::Sluggishly,
            ..
        })
    ));
    assert!(full.pull_at >= some.pull_at);
}

/// Two kinds: side by side where their times agree, else what rests goes first; a drawer each where
/// there are two.
#[test]
fn two_kinds_share_a_machine() {
    let drumsticks = |machine| of(CutId::Drumstick, 3, machine);
    let thighs = |machine| of(CutId::BoneInThigh, 2, machine);
    let wings = of(CutId::PartyWing, 4, drawer());
    let one = together(&wings, &of(CutId::Drumette, 4, drawer())).unwrap();
    assert_eq!(one.how, How::OneBasket, "{:?}", one.reason);
    assert_eq!(one.layout.unwrap().0.len(), 8);
    let apart = together(&wings, &thighs(drawer())).unwrap();
    assert_eq!(apart.how, How::OneAfterTheOther, "{:?}", apart.reason);
    let roast = of(CutId::BeefRoast, 1, drawer());
    let apart = together(&drumsticks(drawer()), &roast).unwrap();
    assert_eq!(apart.how, How::OneAfterTheOther);
    assert!(
        apart.starts[1] < apart.starts[0],
        "the roast rests meanwhile"
    );
    assert!(apart.out.seconds() >= apart.cooks[0].seconds() + apart.cooks[1].seconds());
    let drawers = together(&of(CutId::PorkChop, 2, twins()), &thighs(twins())).unwrap();
    assert_eq!(drawers.how, How::TwoDrawers);
    for n in 0..2 {
        let end = drawers.starts[n].seconds() + drawers.cooks[n].seconds();
        assert!(
            (end - drawers.out.seconds()).abs() < 1e-6,
            "both end together"
        );
    }
}

/// A machine that blows less or whose dial lies is slower; one whose preheat is known says so.
#[test]
fn a_profile_says_how_true_it_is() {
    let usual = plan(&of(CutId::Drumstick, 4, drawer())).unwrap();
    let mut weak = of(CutId::Drumstick, 4, drawer());
    weak.machine.calibration.heat = 0.8;
    assert!(plan(&weak).unwrap().pull_at > usual.pull_at);
    let mut cool = of(CutId::Drumstick, 4, drawer());
    cool.machine.calibration = Calibration {
        offset: TemperatureDifference::from_kelvins(-15.0),
        ..Calibration::default()
    };
    let cool = plan(&cool).unwrap();
    assert!(cool.pull_at > usual.pull_at);
    assert_eq!(cool.setting, usual.setting, "what is said is what is set");
    let mut known = of(CutId::ThinChop, 2, drawer());
    known.machine.preheat = Some(ember_core::units::Interval::from_minutes(9.0));
    assert_eq!(plan(&known).unwrap().preheat.unwrap().minutes(), 9.0);
}

/// Nearer the guard, a tall roast: turned on its side it may fit.
#[test]
fn a_tall_roast_is_told_how_it_fits() {
    let mut tall = of(CutId::BeefRoast, 1, PRESETS[0].machine());
    tall.mass = Mass::from_grams(800.0);
    tall.thickness = Some(Length::from_millimetres(95.0));
    let words = plan(&tall).unwrap_err().to_string();
    assert!(
        words.contains("on its side it is") && words.contains("90 mm"),
        "{words}"
    );
    tall.thickness = Some(Length::from_millimetres(80.0));
    tall.target = Temperature::from_celsius(63.0);
    assert!(warned(&plan(&tall).unwrap(), WarningKind::NearElement));
}

/// A machine that cannot be is refused with what to measure again.
#[test]
fn a_machine_that_cannot_be_is_refused() {
    let refused = |change: fn(&mut Machine)| {
        let mut machine = shelves();
        change(&mut machine);
        machine.check().unwrap_err().to_string()
    };
    insta::assert_snapshot!(refused(|m| m.height = mm(0.0)), @"usable height is 0 mm; it can be 40 mm to 400 mm");
    insta::assert_snapshot!(refused(|m| m.element = mm(150.0)), @"the element is 150 mm over the floor, below the 190 mm that are said to be free; measure both again");
    insta::assert_snapshot!(refused(|m| m.racks = vec![mm(20.0), mm(40.0)]), @"a rack at 20 mm leaves 20 mm above it; at least 30 mm are needed");
    insta::assert_snapshot!(refused(|m| m.spit.as_mut().unwrap().length = mm(400.0)), @"a spit of 400 mm does not go into a machine 300 mm wide; measure between the forks");
    insta::assert_snapshot!(refused(|m| m.lowest = Temperature::from_celsius(240.0)), @"the lowest setting 240 °C is above the highest, 232 °C; swap them");
    insta::assert_snapshot!(refused(|m| m.calibration.heat = f64::NAN), @"heat factor is NaN of its kind; it can be 0.5 to 1.6");
    insta::assert_snapshot!(refused(|m| m.kind = ember_core::fryer::MachineKind::Drawer), @"a drawer or a grill has no racks; choose an oven style, or remove it");
}
