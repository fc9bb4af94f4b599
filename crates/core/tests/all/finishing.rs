//! During the cook and after it: moving again and again, beds and boats, the pan, crisping again, shredding,
//! tossing, what is left over; and every caution where it belongs.

use ember_core::doneness::{Handling, Region};
use ember_core::fryer::{Action, PRESETS, Support};
use ember_core::heat::Looking;
use ember_core::meat::{Browning, CutId, Layer, Surface, cut};
use ember_core::plan::{
    Crispness, Finish, How, Outside, Plan, PlanError, PlannedAction, Programme, Request, SauceRule,
    Step, StepKind, TurnRule, When, plan, together,
};
use ember_core::prep::methods;
use ember_core::recipe::{Item, Recipe, RecipeKind, RecipeStep, Unit};
use ember_core::units::{Interval, Mass, Temperature};

fn usual(id: CutId) -> Request {
    Request::usual(id, PRESETS[1].machine())
}

fn minutes(minutes: f64) -> Interval {
    Interval::from_minutes(minutes)
}

fn celsius(celsius: f64) -> Temperature {
    Temperature::from_celsius(celsius)
}

fn find<'a>(plan: &'a Plan, words: &str) -> &'a Step {
    let mut steps = plan.steps.iter();
    steps
        .find(|step| step.title.text.contains(words))
        .ok_or_else(|| format!("no step \"{words}\" in {:#?}", titles(plan)))
        .unwrap()
}

fn titles(plan: &Plan) -> Vec<&str> {
    plan.steps
        .iter()
        .map(|step| step.title.text.as_str())
        .collect()
}

#[test]
fn a_pan_colours_what_the_machine_left_pale() {
    let steak = usual(CutId::BeefSteak);
    let straight = plan(&steak).unwrap();
    let pan = plan(&Request {
        finish: Finish::Pan(minutes(1.0)),
        ..steak
    })
    .unwrap();
    let finished = pan.finished.unwrap();
    // The machine waits for the inside only, and comes out no later.
    assert_eq!(pan.goals.outside, Outside::AsItComes);
    assert!(pan.pull_at <= straight.pull_at);
    // Common practice: a minute a side in a hot pan browns a steak, and hardly cooks it on: a few kelvins.
    for (before, after) in pan.outcomes.faces.iter().zip(&finished.faces) {
        assert!(after.browning >= Browning::Golden, "{after:?}");
        assert!(after.amount > before.amount);
    }
    let rises = finished.core.celsius() - pan.picture.core_at(pan.eat_at.minutes() - 2.0);
    assert!((-3.0..6.0).contains(&rises), "{rises}");
    let step = find(&pan, "Sear in a hot pan");
    assert_eq!(step.at.seconds(), pan.eat_at.seconds() - 120.0);
    assert_eq!(
        pan.eat_at.seconds() - pan.pull_at.seconds(),
        pan.rest.seconds() + 120.0
    );
}

#[test]
fn what_the_rest_has_softened_is_crisp_again() {
    let belly = Request {
        finish: Finish::Crisp {
            setting: celsius(200.0),
            time: minutes(5.0),
        },
        ..usual(CutId::PorkBellySlab)
    };
    let done = plan(&belly).unwrap();
    let finished = done.finished.unwrap();
    assert!(finished.faces[0].crispness >= Crispness::Crisp);
    assert!(finished.faces[0].amount > done.outcomes.faces[0].amount);
    // The picture goes on to the table.
    assert!((done.picture.minutes.last().unwrap() - done.eat_at.minutes()).abs() < 0.1);
    let step = find(&done, "Crisp again");
    let rest = find(&done, "Rest");
    let serve = find(&done, "Serve");
    assert!(rest.at < step.at && step.at < serve.at);
}

#[test]
fn shredding_says_whether_it_will_come_apart() {
    let shoulder = |target: f64| Request {
        target: celsius(target),
        finish: Finish::Shred(minutes(8.0)),
        setting: Some(celsius(150.0)),
        ..usual(CutId::CountryRib)
    };
    let tender = plan(&shoulder(94.0)).unwrap();
    let firm = plan(&shoulder(68.0)).unwrap();
    let says = |plan: &Plan| find(plan, "Shred").reason.text.contains("would come apart");
    assert!(says(&firm) && !says(&tender));
    assert_eq!(
        tender.eat_at.seconds() - tender.pull_at.seconds() - tender.rest.seconds(),
        480.0
    );
}

#[test]
fn what_cannot_be_finished_so_is_told() {
    let wings = usual(CutId::PartyWing);
    let asked = |finish| {
        plan(&Request {
            finish,
            ..wings.clone()
        })
        .unwrap_err()
        .to_string()
    };
    let long = asked(Finish::Pan(minutes(40.0)));
    assert!(
        long.contains("time of the finish") && long.contains("40 min"),
        "{long}"
    );
    let hot = asked(Finish::Crisp {
        setting: celsius(285.0),
        time: minutes(3.0),
    });
    assert!(hot.contains("dial") || hot.contains("285"), "{hot}");
}

#[test]
fn moving_again_and_again_costs_heat_each_time() {
    let legs = Request {
        turn: TurnRule::HalfWay,
        ..usual(CutId::LegQuarter)
    };
    let again = Request {
        actions: vec![PlannedAction {
            when: When::Every(minutes(8.0)),
            action: Action::Move,
        }],
        ..legs.clone()
    };
    let [still, moved] = [legs, again].map(|request| plan(&request).unwrap());
    let at: Vec<f64> = moved
        .steps
        .iter()
        .filter(|step| step.actions.contains(&Action::Move))
        .map(|step| step.at.minutes())
        .collect();
    assert!(at.len() >= 2, "{at:?}");
    for (n, at) in at.iter().enumerate() {
        // Within a minute of the turn, both are one opening.
        assert!((at - 8.0 * (n + 1) as f64).abs() <= 1.0, "{at}");
        assert!(*at < moved.pull_at.minutes() - 1.0);
    }
    // Three or four openings of twenty seconds cost about a minute or two (common practice).
    let later = moved.pull_at.minutes() - still.pull_at.minutes();
    assert!((0.0..=4.0).contains(&later), "{later}");
    let seldom = Request {
        actions: vec![PlannedAction {
            when: When::Every(minutes(1.0)),
            action: Action::Move,
        }],
        ..usual(CutId::LegQuarter)
    };
    let told = plan(&seldom).unwrap_err().to_string();
    assert!(told.contains("time from one to the next"), "{told}");
}

#[test]
fn a_bed_of_vegetables_keeps_the_base_pale() {
    let loin = |support| {
        let mut request = Request {
            support,
            turn: TurnRule::Never,
            outside: Some(Outside::AsItComes),
            ..usual(CutId::PorkLoinRoast)
        };
        request.preheat = ember_core::plan::PreheatRule::Never;
        plan(&request).unwrap()
    };
    let (basket, bed) = (loin(Support::Basket), loin(Support::Trivet));
    let below = |plan: &Plan| plan.outcomes.faces[1].amount;
    assert!(
        below(&bed) < 0.7 * below(&basket),
        "{} {}",
        below(&bed),
        below(&basket)
    );
    // Less heat from below, and the vegetables take some.
    assert!(bed.pull_at > basket.pull_at);
}

#[test]
fn wings_are_tossed_from_the_heat_and_chops_after_their_rest() {
    let tossed = |id, region| {
        plan(&Request {
            sauce: SauceRule::Tossed,
            region,
            target: if id == CutId::PartyWing {
                celsius(80.0)
            } else {
                celsius(71.0)
            },
            ..usual(id)
        })
        .unwrap()
    };
    let wings = tossed(CutId::PartyWing, Region::UnitedStates);
    let toss = find(&wings, "Toss");
    assert_eq!((toss.kind, toss.at), (StepKind::Finish, wings.pull_at));
    assert!(titles(&wings).ends_with(&["Serve"]));
    // In the United States three minutes of rest belong to a chop's safe minimum.
    let chops = tossed(CutId::PorkChop, Region::UnitedStates);
    assert!(titles(&chops).ends_with(&["Toss in the sauce and serve"]));
    assert!(chops.steps.last().unwrap().at > chops.pull_at);
}

#[test]
fn what_is_left_over_is_heated_through_and_no_cooler() {
    let raw = usual(CutId::BoneInThigh);
    let left = Request {
        handling: Handling::LeftOver,
        surface: Surface::RAW,
        target: Temperature::from_fahrenheit(165.0),
        turn: TurnRule::Never,
        // Cooked meat has lost about a quarter.
        mass: Mass::from_grams(0.75 * raw.mass.grams()),
        ..raw.clone()
    };
    let [raw, again] = [raw, left.clone()].map(|request| plan(&request).unwrap());
    // Reheating thighs from the fridge: some ten to twenty minutes until the bone is hot (common practice),
    // less than cooking them.
    assert!(again.pull_at < raw.pull_at);
    assert!(
        (7.0..22.0).contains(&again.pull_at.minutes()),
        "{:?}",
        again.pull_at
    );
    assert!(again.outcomes.faces[0].browning >= Browning::Golden);
    assert_eq!(again.floor.core, Some(Temperature::from_fahrenheit(165.0)));
    assert!(again.measure_again.is_none() && !again.rest_completed);
    let cautions: Vec<&str> = again.steps.iter().filter_map(|step| step.caution).collect();
    assert!(
        cautions.iter().all(|caution| !caution.contains("raw")),
        "{cautions:?}"
    );
    assert!(cautions.iter().any(|caution| caution.contains("only once")));
    assert_eq!(left.prepared(None, &[]).tasks.len(), 1);
    // A rare roast may be planned below the floor, what is left of it not: USDA, 165 °F; from memory.
    let cold = Request {
        handling: Handling::LeftOver,
        target: celsius(60.0),
        below_floor_acknowledged: true,
        ..usual(CutId::BeefRoast)
    };
    assert!(matches!(
        plan(&cold),
        Err(PlanError::BelowHandledFloor { .. })
    ));
}

#[test]
fn each_drawer_has_a_leg_and_a_wing() {
    let machine = PRESETS
        .iter()
        .map(ember_core::fryer::Preset::machine)
        .find(|machine| machine.kind == ember_core::fryer::MachineKind::TwinDrawers)
        .unwrap();
    let pieces = |id, pieces| Request {
        pieces,
        setting: Some(celsius(195.0)),
        ..Request::usual(id, machine.clone())
    };
    let both = together(&pieces(CutId::Drumstick, 2), &pieces(CutId::WholeWing, 2)).unwrap();
    assert_eq!(both.how, How::TwoDrawers);
    let mixed = both.or.unwrap();
    assert_eq!(mixed.how, How::SomeOfEach);
    assert!(
        mixed
            .reason
            .text
            .starts_with("1 drumstick and 1 whole wing in each drawer"),
        "{}",
        mixed.reason.text
    );
    assert!(mixed.reason.text.ends_with("swap the drawers half-way"));
    let (_, layout) = mixed.layout.unwrap();
    assert_eq!(layout.poses.len(), 2);
    // Three of a kind do not divide.
    let odd = together(&pieces(CutId::Drumstick, 3), &pieces(CutId::WholeWing, 2)).unwrap();
    assert!(odd.or.is_none());
}

fn recipe(kind: RecipeKind, steps: &[(&str, Option<f64>)]) -> Recipe {
    Recipe {
        steps: steps
            .iter()
            .map(|(what, time)| RecipeStep {
                what: (*what).to_owned(),
                time: time.map(minutes),
            })
            .collect(),
        ..Recipe::of(
            "harbour",
            kind,
            vec![Item::new("paprika", 10.0, Unit::Gram)],
        )
    }
}

#[test]
fn recipes_are_made_where_they_are_needed() {
    let drumsticks = methods(cut(CutId::Drumstick));
    let night = drumsticks
        .iter()
        .find(|one| one.id == "night_bare")
        .unwrap();
    let made = night.making(&[
        recipe(RecipeKind::Rub, &[("Grind the rub", Some(4.0))]),
        recipe(
            RecipeKind::Sauce,
            &[("Simmer it", Some(5.0)), ("Chill it", Some(120.0))],
        ),
        recipe(RecipeKind::Gravy, &[("Whisk it", None)]),
    ]);
    let at = |name: &str| made.tasks.iter().position(|task| task.name == name);
    // What has to stand is begun first, the rub is made before it goes on, a gravy is none of the meat's.
    assert_eq!((at("Simmer it"), at("Chill it")), (Some(0), Some(1)));
    let fridge = made
        .tasks
        .iter()
        .rposition(|task| task.name.contains("uncovered"));
    assert!(at("Grind the rub") > fridge);
    assert_eq!(at("Whisk it"), None);
    assert_eq!(made.ahead(), night.ahead());
}

/// Every caution of a layer, a sauce, a step, a way of holding: where it belongs and nowhere else. What is said
/// is common practice and the usual advice of food safety authorities, from memory.
#[test]
fn every_caution_is_where_it_belongs() {
    // Layers: something dipped, brushed or sprayed.
    let by_layer = [
        (Layer::Flour, "has touched raw meat"),
        (Layer::Starch, "has touched raw meat"),
        (Layer::Egg, "has touched raw meat"),
        (Layer::Crumb, "has touched raw meat"),
        (Layer::ButterSauce, "for the table first"),
        (Layer::Glaze, "for the table first"),
        (Layer::Spray, "catches fire"),
        (Layer::WetMarinade, "Boil what the meat has lain in"),
    ];
    for (layer, words) in by_layer {
        let surface = if layer == Layer::WetMarinade {
            Surface::MARINATED
        } else {
            Surface::layered(&[Layer::PattedDry, layer]).unwrap()
        };
        let method = Request {
            surface,
            ..usual(CutId::BonelessBreast)
        }
        .prepared(None, &[]);
        let says = method
            .tasks
            .iter()
            .filter_map(|task| task.caution.as_deref());
        assert!(
            says.into_iter().any(|said| said.contains(words)),
            "{layer:?}: {method:#?}"
        );
    }
    let plain = usual(CutId::BonelessBreast).prepared(None, &[]);
    let cautions: Vec<&str> = plain
        .tasks
        .iter()
        .filter_map(|task| task.caution.as_deref())
        .collect();
    assert!(
        cautions.iter().all(|said| said.contains("raw poultry")),
        "{cautions:?}"
    );

    // Ways of holding.
    let by_support = [
        (Support::FoilBox, Some("loose foil flies")),
        (Support::GrillPlate, Some("smokes and spits")),
        (Support::Spit, Some("Kitchen twine only")),
        (Support::Basket, None),
        (Support::Rack, None),
        (Support::Trivet, None),
    ];
    let loin = &methods(cut(CutId::PorkLoinRoast))[0];
    for (support, words) in by_support {
        let own = loin.held_in(support).tasks.split_off(loin.tasks.len());
        let said: Vec<String> = own.into_iter().filter_map(|task| task.caution).collect();
        match words {
            Some(words) => assert!(said.iter().any(|one| one.contains(words)), "{support:?}"),
            None => assert_eq!(said, Vec::<String>::new(), "{support:?}"),
        }
    }

    // Steps: what is planned, the step's words, the caution's.
    let at = |minute, action| vec![PlannedAction::at(minute, action)];
    let chops = usual(CutId::PorkChop);
    let by_step: [(Request, &str, &str); 14] = [
        (chops.clone(), "Load", "after touching raw meat"),
        (usual(CutId::Drumstick), "Load", "Do not wash raw poultry"),
        (chops.clone(), "Turn every piece", "Hot fat and steam"),
        (chops.clone(), "Check", "Colour and juices are no test"),
        (chops.clone(), "Take everything out", "Hot fat and steam"),
        (chops.clone(), "Serve", "Chill leftovers within 2 hours"),
        (
            Request {
                actions: at(4.0, Action::Sauce(Looking::Up)),
                ..chops.clone()
            },
            "rush the upper side with sauce",
            "boil the sauce",
        ),
        (
            Request {
                actions: at(4.0, Action::Spray),
                ..chops.clone()
            },
            "pray with oil",
            "catches fire",
        ),
        (
            Request {
                sauce: SauceRule::BeforeAndAtTurn,
                ..chops.clone()
            },
            "Load",
            "boil the sauce",
        ),
        (
            Request {
                sauce: SauceRule::Tossed,
                ..usual(CutId::PartyWing)
            },
            "Toss",
            "clean bowl",
        ),
        (
            Request {
                finish: Finish::Pan(minutes(1.0)),
                ..usual(CutId::BeefSteak)
            },
            "Sear",
            "Fat spits",
        ),
        (
            Request {
                finish: Finish::Crisp {
                    setting: celsius(200.0),
                    time: minutes(4.0),
                },
                ..usual(CutId::PorkBellySlab)
            },
            "Crisp again",
            "Hot fat and steam",
        ),
        (
            Request {
                finish: Finish::Shred(minutes(5.0)),
                ..usual(CutId::BoneInThigh)
            },
            "Shred",
            "not fingers",
        ),
        (
            Request {
                support: Support::FoilBox,
                ..usual(CutId::PorkBellySlab)
            },
            "Pour off",
            "not into the sink",
        ),
    ];
    for (request, step, words) in by_step {
        let plan = plan(&request).unwrap();
        let said = find(&plan, step).caution.unwrap_or_default();
        assert!(said.contains(words), "{step}: {said}");
    }
    // A dial that is only set opens nothing.
    let hot_start = Request {
        programme: Programme::HotStart {
            setting: celsius(200.0),
            time: minutes(5.0),
        },
        ..usual(CutId::PorkLoinRoast)
    };
    assert_eq!(find(&plan(&hot_start).unwrap(), "Set ").caution, None);
}

#[test]
fn on_a_spit_the_tip_comes_from_the_side() {
    let oven = PRESETS
        .iter()
        .map(ember_core::fryer::Preset::machine)
        .find(|machine| machine.spit.is_some())
        .unwrap();
    let loin = Request {
        support: Support::Spit,
        ..Request::usual(CutId::PorkLoinRoast, oven)
    };
    let plan = plan(&loin).unwrap();
    let check = &find(&plan, "Check").reason.text;
    assert!(check.starts_with("stop the spit; from the side"), "{check}");
    assert!(!check.contains("from the end"), "{check}");
}

#[test]
fn what_is_tall_is_levelled_with_paper_up_to_its_rating() {
    let tall = |setting| Request {
        mass: Mass::from_grams(1900.0),
        thickness: Some(ember_core::units::Length::from_millimetres(108.0)),
        setting: Some(celsius(setting)),
        ..Request::usual(CutId::PorkLoinRoast, PRESETS[1].machine())
    };
    let cool = plan(&tall(170.0)).unwrap();
    let step = find(&cool, "Level it");
    assert!(step.reason.text.starts_with("a ball of baking parchment"));
    assert!(step.caution.unwrap().contains("loose parchment"));
    assert_eq!(step.at, find(&cool, "Load").at);
    // An ordinary one stands well below the element.
    let low = plan(&usual(CutId::PorkChop)).unwrap();
    assert!(!titles(&low).iter().any(|title| title.contains("Level")));
}
