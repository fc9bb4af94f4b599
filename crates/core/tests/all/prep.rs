//! Before the heat: drying, salt, standing out, quantities, against closed forms and practice.

use ember_core::fryer::{PRESETS, Support};
use ember_core::heat::{FaceLaw, Grid, Piece};
use ember_core::meat::water::{latent_heat, saturation};
use ember_core::meat::{CATALOGUE, CutId, Layer, Surface, cut};
use ember_core::plan::{
    Compared, PlanError, Request, Start, ahead, compare, plan, surface as outside,
};
use ember_core::prep::{
    Ahead, Appetite, Ingredient, Meat, Method, Place, SALT_IN_MEAT, Seasoning, counted, half_depth,
    methods, own, portion, quantities, salted_evenly, simulate, sodium, spoons,
};
use ember_core::recipe::{Item, Recipe, RecipeKind, Unit};
use ember_core::units::{Interval, Length, Mass, Temperature};

fn hours(hours: f64) -> Interval {
    Interval::from_minutes(60.0 * hours)
}

fn room(celsius: f64) -> Temperature {
    Temperature::from_celsius(celsius)
}

fn raw(id: CutId, grid: fn(ember_core::geometry::Body) -> Grid) -> (Piece, Mass) {
    let entry = cut(id);
    let [_, mass, _] = entry.usual_mass;
    let thick = entry.expected_thickness(mass);
    let (piece, _) = Piece::raw(entry, mass, thick, grid, FaceLaw::MEAT, 4.0, Surface::RAW);
    (piece, mass)
}

fn usual(id: CutId, ahead: Vec<Ahead>) -> Request {
    Request {
        ahead,
        ..Request::usual(id, PRESETS[1].machine())
    }
}

/// Psychrometrics by hand: a wet surface in still air settles where convection and radiation bring
/// what evaporation takes; the mass transfer follows from Chilton and Colburn (ASHRAE Handbook,
/// Fundamentals; from memory). The film of a piece that has settled leaves at that rate.
#[test]
fn a_wet_surface_dries_as_psychrometrics_has_it() {
    let (air, convection, humidity) = (4.0, 5.0, 0.65);
    let vapour = humidity * saturation(air)[0];
    let rate = |surface: f64| {
        let kelvin = (surface + air) / 2.0 + 273.15;
        let heat_of_air = 101_325.0 / (287.0 * kelvin) * 1007.0;
        let transfer = convection / (heat_of_air * 0.90);
        transfer * (saturation(surface)[0] - vapour) / (461.5 * (surface + 273.15))
    };
    let [mut low, mut high] = [-5.0, air];
    for _ in 0..60 {
        let surface = f64::midpoint(low, high);
        let radiation = 0.9 * 5.67e-8 * 4.0 * (air + 273.15_f64).powi(3);
        let brings = (convection + radiation) * (air - surface);
        if brings > rate(surface) * latent_heat(surface) {
            low = surface;
        } else {
            high = surface;
        }
    }
    let settled = f64::midpoint(low, high);
    // Let a thin piece settle, then wet it again and look for half an hour.
    let (mut piece, _) = raw(CutId::WingFlat, Grid::fine);
    simulate(&mut piece, &[Ahead::Uncovered(hours(3.0))], room(21.0));
    piece.wet(1.0);
    let before = piece.upper().lost;
    simulate(&mut piece, &[Ahead::Uncovered(hours(0.5))], room(21.0));
    let measured = (piece.upper().lost - before) / 1800.0;
    assert!(
        (measured / rate(settled) - 1.0).abs() < 0.08,
        "{measured} {}",
        rate(settled)
    );
}

/// Common practice: poultry left bare in the fridge overnight loses one to three per cent of its
/// weight. Nothing in the model was fitted to that.
#[test]
fn a_night_in_the_fridge_takes_some_per_cent() {
    for id in [CutId::Drumstick, CutId::BoneInThigh, CutId::WholeWing] {
        let (mut piece, mass) = raw(id, Grid::fine);
        let stood = simulate(
            &mut piece,
            &[Ahead::Blot, Ahead::Uncovered(hours(12.0))],
            room(21.0),
        );
        let share = stood[1].water_lost / mass.grams();
        assert!((0.01..0.04).contains(&share), "{id:?} {share}");
    }
}

/// Longer is drier, and slower and slower: the dry layer stands in the way.
#[test]
fn drying_slows_down() {
    let lost: Vec<f64> = [0.5, 4.0, 12.0, 24.0]
        .map(|time| {
            let (mut piece, _) = raw(CutId::Drumstick, Grid::coarse);
            simulate(
                &mut piece,
                &[Ahead::Blot, Ahead::Uncovered(hours(time))],
                room(21.0),
            )[1]
            .water_lost
        })
        .to_vec();
    assert!(lost.windows(2).all(|pair| pair[1] > pair[0]), "{lost:?}");
    let rate = |n: usize, time: f64| (lost[n] - lost[n - 1]) / time;
    assert!(
        rate(1, 3.5) > rate(2, 8.0) && rate(2, 8.0) > rate(3, 12.0),
        "{lost:?}"
    );
}

/// Half an hour on the counter hardly moves the core of a roast (kitchen experiments report one to
/// three degrees; from memory), and saves little.
#[test]
fn tempering_a_roast_is_little() {
    let half_an_hour = vec![Ahead::Blot, Ahead::Counter(hours(0.5))];
    let core = ahead(&usual(CutId::BeefRoast, half_an_hour.clone()))[1].core;
    assert!((4.0..8.0).contains(&core.celsius()), "{core:?}");
    let with = plan(&usual(CutId::BeefRoast, half_an_hour)).unwrap();
    let without = plan(&usual(CutId::BeefRoast, vec![Ahead::Blot])).unwrap();
    let saved = without.pull_at.minutes() - with.pull_at.minutes();
    assert!((0.0..8.0).contains(&saved), "{saved}");
}

/// A parboiled slab that is chilled begins warmer than one that was not, for a while.
#[test]
fn parboiled_heat_is_carried() {
    let after = |chill: f64| {
        let stages = vec![
            Ahead::Parboil(Interval::from_minutes(12.0)),
            Ahead::Covered(hours(chill)),
        ];
        ahead(&usual(CutId::PorkBellySlab, stages))
    };
    let [soon, late] = [after(0.5), after(6.0)].map(|stood| stood[1].mean.celsius());
    assert!(soon > 20.0 && late < 8.0, "{soon} {late}");
    let hot = after(0.5)[0];
    assert!(hot.mean.celsius() > 40.0 && hot.mean.celsius() < 98.0);
}

/// Every method of every cut can be cooked, and none is slower for having dried longer.
#[test]
fn every_method_is_compared() {
    for entry in CATALOGUE {
        let methods = methods(entry);
        let mut ids: Vec<&str> = methods.iter().map(|method| method.id.as_str()).collect();
        ids.dedup();
        assert_eq!(ids.len(), methods.len(), "{}", entry.name);
        for method in &methods {
            assert!(!method.reason.is_empty() && !method.tasks.is_empty());
            for task in &method.tasks {
                let window = task.window;
                assert!(window.shortest <= window.best && window.best <= window.longest);
            }
        }
    }
    for id in [CutId::Drumstick, CutId::PorkBellySlab, CutId::PartyWing] {
        let methods = methods(cut(id));
        let worth: Vec<Compared> = compare(&usual(id, Vec::new()), &methods)
            .into_iter()
            .map(Result::unwrap)
            .collect();
        let driest = |one: &&Compared| one.id == "night_bare" || one.id == "long_skin";
        let longest = worth.iter().find(driest).unwrap();
        assert_eq!(worth.len(), methods.len());
        assert!(longest.cook <= worth[0].cook, "{id:?}");
        // The towel is worth something against a wet surface.
        let towel = worth
            .iter()
            .find(|one| one.id == "towel" || one.id == "short_skin")
            .unwrap();
        assert!(towel.crisp_at < worth[0].crisp_at, "{id:?}");
    }
}

/// Half-space and slab agree while the middle has seen little: by images, the middle over the mean
/// is `2 L / √(4 π D t) exp(-L² / 16 D t)` (Crank).
#[test]
fn salt_spreads_as_crank_has_it() {
    let thick = Length::from_millimetres(20.0);
    for time in [10.0, 20.0, 30.0].map(hours) {
        let reach = SALT_IN_MEAT * time.seconds();
        let (l, pi) = (thick.metres(), std::f64::consts::PI);
        let images = 2.0 * l / (4.0 * pi * reach).sqrt() * (-l * l / (16.0 * reach)).exp();
        let series = salted_evenly(time, thick);
        assert!((series - images).abs() < 0.02, "{series} {images}");
    }
    assert!((salted_evenly(hours(2000.0), thick) - 1.0).abs() < 1e-6);
    assert_eq!(
        half_depth(hours(4.0)).millimetres(),
        2.0 * half_depth(hours(1.0)).millimetres()
    );
}

/// Nearly a kilogram of drumsticks with 0.11 m² of skin.
fn drumsticks() -> Meat {
    Meat {
        mass: Mass::from_grams(920.0),
        area: 0.11,
        seasoned: 1.0,
    }
}

/// By hand: 9.9 g of a rub of which a fifth is salt stay on and bring 1.98 g of it; 9.2 g are wanted, so that
/// 7.22 g are added, and the sodium is that of 9.2 g as without it. On its own it brings 1.98 g. 15 % of the
/// rub stay in the bowl: 11.65 g are set out.
#[test]
fn salt_in_a_recipe_counts_once() {
    let grams = |what: &str, grams: f64| Item::new(what, grams, Unit::Gram);
    let rub = [Recipe::of(
        "ferry rub",
        RecipeKind::Rub,
        vec![
            grams("fennel seed", 20.0),
            grams("mustard powder", 12.0),
            grams("fine salt", 8.0),
        ],
    )];
    let method = [Seasoning::Salt(0.01), Seasoning::Cover(Layer::Rub)];
    let told = quantities(&method, &rub, &drumsticks());
    let grams: Vec<f64> = told.iter().map(|one| one.mass.grams()).collect();
    assert!((grams[0] - 7.22).abs() < 1e-9, "{grams:?}");
    assert!((grams[1..].iter().sum::<f64>() - 9.9 / 0.85).abs() < 1e-9);
    assert_eq!(told[2].allergen.as_deref(), Some("mustard"));
    let salted = sodium(&method, &rub, &drumsticks());
    assert!((salted - 9.2 * 393.4).abs() < 1e-6, "{salted}");
    let alone = sodium(&[Seasoning::Cover(Layer::Rub)], &rub, &drumsticks());
    assert!((alone - 1.98 * 393.4).abs() < 1e-6, "{alone}");
}

/// What a cook makes of a method is checked where it can hurt or cannot be.
#[test]
fn a_method_of_ones_own() {
    let belly = cut(CutId::PorkBellySlab);
    let long = methods(belly)
        .into_iter()
        .find(|one| one.id == "long_skin")
        .unwrap();
    let kept = own(belly, long.clone()).unwrap();
    assert_eq!(kept.time(), long.time());
    // Cautions where they apply: raw meat first, the pot chilled at once.
    let caution = |n: usize| kept.tasks[n].caution.as_deref().unwrap();
    assert!(caution(0).contains("raw meat") && caution(1).contains("Chill"));
    let refused = |change: &dyn Fn(&mut Method)| {
        let mut mine = long.clone();
        change(&mut mine);
        own(belly, mine).unwrap_err().to_string()
    };
    assert_eq!(
        refused(&|mine| mine.name = " ".to_owned()),
        "a method's name has 1 to 80 letters, this one 0"
    );
    assert_eq!(
        refused(&|mine| mine.tasks.clear()),
        "a method has 1 to 12 tasks, this one 0"
    );
    assert_eq!(
        refused(&|mine| mine.seasonings = vec![Seasoning::Salt(0.2)]),
        "salt for the weight of the meat is 20.0 %, not within 0.1-3 %"
    );
    // Two hours on the counter at the most (food safety agencies, from memory).
    assert_eq!(
        refused(&|mine| {
            let task = &mut mine.tasks[2];
            task.name = "Let it stand".to_owned();
            task.place = Place::Counter;
            task.ahead = Some(Ahead::Counter(task.window.best));
        }),
        "Let it stand: 3.0 h at the longest, and 2 h are the most"
    );
}

/// A method that cannot be in a machine leaves the others: crumb comes off where it tumbles.
#[test]
fn a_method_that_cannot_be_is_told_alone() {
    let tumbles = PRESETS.iter().find(|known| known.tumbler.is_some());
    let mut request = Request::usual(CutId::ThinBonelessChop, tumbles.unwrap().machine());
    request.support = Support::TumblingBasket;
    request.mass = Mass::from_grams(90.0);
    let methods = methods(cut(CutId::ThinBonelessChop));
    let worth = compare(&request, &methods);
    for (method, worth) in methods.iter().zip(&worth) {
        assert_eq!(
            worth.is_err(),
            method.surface == Surface::CRUMBED,
            "{}",
            method.id
        );
    }
}

/// Quantities by hand, with NIST SP 811 for the spoons (4.929, 14.787 and 236.588 ml; from memory).
#[test]
fn quantities_by_hand() {
    // 9.2 g of salt; 90 g/m² of rub stay on, 11.6 g are set out; a spray of 3.7 g.
    let method = [
        Seasoning::Salt(0.01),
        Seasoning::Cover(Layer::Rub),
        Seasoning::Cover(Layer::Spray),
    ];
    let told: Vec<String> = quantities(&method, &[], &drumsticks())
        .iter()
        .map(|one| format!("{} {} g, {}", one.what, one.weighed().grams(), one.spoons()))
        .collect();
    assert_eq!(
        told,
        [
            "fine salt 9 g, 1 1/2 tsp",
            "dry rub 12 g, 1 1/2 tbsp",
            "oil spray 3.5 g, 4 s"
        ]
    );
    // 9.2 g of salt are 3619 mg of sodium; a fifth of that in each of five portions.
    assert!((sodium(&method, &[], &drumsticks()) / 5.0 - 723.9).abs() < 0.5);
    // A brine leaves only what goes in.
    let brine = [Seasoning::GradientBrine(0.06)];
    assert!(sodium(&brine, &[], &drumsticks()) < sodium(&method, &[], &drumsticks()));
    assert_eq!(spoons(Ingredient::Flour, 125.0), "1 cup");
    assert_eq!(spoons(Ingredient::Oil, 14.0), "1 tbsp");
    // Common practice: a pound of bone-in wings or ribs feeds one.
    let wings = portion(cut(CutId::PartyWing), 1, Appetite::Usual).grams();
    assert!((230.0..460.0).contains(&wings), "{wings}");
}

/// What is set out of an ingredient for pieces of a cut, g.
fn set_out(id: CutId, pieces: u32, grams: f64, surface: Surface, of: Ingredient) -> f64 {
    let mut request = Request::usual(id, PRESETS[1].machine());
    request.pieces = pieces;
    request.mass = Mass::from_grams(grams);
    request.surface = surface;
    let mass = Mass::from_grams(grams * f64::from(pieces));
    let meat = Meat::of(request.entry(), mass, outside(&request));
    let amounts = quantities(&request.prepared(None, &[]).seasonings, &[], &meat);
    let known = amounts.iter().find(|amount| amount.what == of.word());
    known.map_or(0.0, |amount| amount.mass.grams())
}

/// Kitchens' own amounts (common practice, from memory), each within a factor of 1.6: they differ by more
/// than that among one another.
#[test]
fn amounts_are_those_of_kitchens() {
    let spoon = |ingredient: Ingredient| 14.787 * ingredient.density();
    let thighs = |of| set_out(CutId::BoneInThigh, 6, 167.0, Surface::RUBBED, of);
    let hens = set_out(CutId::GameHen, 2, 600.0, Surface::RUBBED, Ingredient::Rub);
    let riblets = set_out(
        CutId::RibTips,
        16,
        62.5,
        Surface::STARCHED,
        Ingredient::Starch,
    );
    let wings = |surface, of| set_out(CutId::PartyWing, 20, 45.4, surface, of);
    let chops = |of| set_out(CutId::BreadedChop, 4, 140.0, Surface::CRUMBED, of);
    let chicken = set_out(
        CutId::BoneInThigh,
        6,
        167.0,
        Surface::MARINATED,
        Ingredient::Marinade,
    );
    for (what, grams, kitchens) in [
        (
            "oil for 1 kg of thighs: 1 tbsp",
            thighs(Ingredient::Oil),
            spoon(Ingredient::Oil),
        ),
        (
            "rub for 1 kg of thighs: 1 tbsp",
            thighs(Ingredient::Rub),
            spoon(Ingredient::Rub),
        ),
        (
            "rub for two small hens: 3.5 tbsp",
            hens,
            3.5 * spoon(Ingredient::Rub),
        ),
        ("starch for 1 kg of riblets: 80 g", riblets, 80.0),
        (
            "baking powder for 2 lb of wings: 1 tbsp",
            wings(Surface::BAKING_POWDER, Ingredient::BakingPowder),
            spoon(Ingredient::BakingPowder),
        ),
        (
            "butter sauce for 2 lb of wings: 1/2 cup",
            wings(Surface::BUTTERED, Ingredient::ButterSauce),
            118.3,
        ),
        ("crumb for four chops: 85 g", chops(Ingredient::Crumb), 85.0),
        (
            "egg for four chops: one, 50 g",
            chops(Ingredient::Egg),
            50.0,
        ),
        ("marinade for 1 kg of thighs: 60 g", chicken, 60.0),
    ] {
        let ratio = grams / kitchens;
        assert!(
            (1.0 / 1.6..1.6).contains(&ratio),
            "{what}: {grams} g, {ratio}"
        );
    }
}

/// Preparation follows the surface: what lies on the meat is what is set out, and what is done.
#[test]
fn preparation_follows_the_surface() {
    for entry in CATALOGUE {
        for surface in Surface::USUAL {
            let method = counted(entry, surface, &[]);
            assert_eq!(method.surface, surface, "{}", entry.name);
            let layers = surface.layers().filter(|layer| !layer.dries());
            for layer in layers {
                let taken = method.seasonings.contains(&Seasoning::Cover(layer));
                assert!(taken, "{} {layer:?} {:?}", entry.name, method.seasonings);
            }
            let rubs = method.seasonings.contains(&Seasoning::Cover(Layer::Rub));
            // A belly's rub goes on its meat side, whatever is on its skin.
            let other_side = entry.id == CutId::PorkBellySlab;
            assert!(
                rubs == surface.has(Layer::Rub) || other_side,
                "{} {surface:?}",
                entry.name
            );
            let blots = method
                .tasks
                .iter()
                .any(|task| task.name.starts_with("Blot"));
            let wet = surface == Surface::RAW || surface == Surface::MARINATED;
            assert!(!(blots && wet), "{} {surface:?}", entry.name);
            assert!(method.tasks.iter().all(|task| !task.name.is_empty()));
        }
    }
    let floured = counted(cut(CutId::PartyWing), Surface::FLOURED, &[]);
    let orders: Vec<&str> = floured
        .tasks
        .iter()
        .map(|task| task.name.as_str())
        .collect();
    assert_eq!(
        orders,
        [
            "Blot every piece dry",
            "Turn it in flour, shake it off",
            "Spray it with oil"
        ]
    );
}

/// Tempered is a time of the cook's own, computed as standing out is, and counted by the clock of raw meat.
#[test]
fn tempered_for_a_time_of_ones_own() {
    let stood = |minutes: f64| {
        let mut request = usual(CutId::BeefRoast, Vec::new());
        request.start = Start::Tempered(Interval::from_minutes(minutes));
        request
    };
    let by_hand = ahead(&usual(CutId::BeefRoast, vec![Ahead::Counter(hours(0.75))]));
    assert_eq!(ahead(&stood(45.0)), by_hand);
    let [short, long] = [30.0, 90.0].map(|time| plan(&stood(time)).unwrap().pull_at);
    assert!(long < short);
    let tasks = stood(45.0).prepared(None, &[]).tasks;
    let stand = tasks
        .iter()
        .find(|task| task.name.contains("counter"))
        .unwrap();
    assert_eq!(stand.window.best.minutes(), 45.0);
    assert!(stand.caution.as_deref().unwrap().contains("two hours"));
    assert!(plan(&stood(150.0)).is_err());
    let mut hot = stood(90.0);
    hot.room = room(34.0);
    assert!(plan(&hot).is_err());
}

/// Bad input is refused with value, bound and unit, and the hot kitchen has the shorter limit.
#[test]
fn too_long_out_is_refused() {
    let out = |time: f64, celsius: f64| {
        let mut request = usual(CutId::PorkChop, vec![Ahead::Counter(hours(time))]);
        request.room = room(celsius);
        plan(&request)
    };
    assert!(out(1.5, 21.0).is_ok());
    let refused = out(1.5, 34.0).unwrap_err();
    assert!(matches!(refused, PlanError::OutOfBounds(_)));
    assert_eq!(
        refused.to_string(),
        "time on the counter of a hot kitchen is 1 h 30 min; it can be 0 min to 1 h"
    );
    let night = plan(&usual(
        CutId::PorkChop,
        vec![Ahead::Uncovered(hours(100.0))],
    ));
    assert!(night.is_err());
}

/// A method is data: it can be copied and changed.
#[test]
fn a_method_can_be_changed() {
    let mut own: Method = methods(cut(CutId::Drumstick))
        .into_iter()
        .find(|method| method.id == "night_bare")
        .unwrap();
    own.name = "two nights".to_owned();
    for task in &mut own.tasks {
        if let Some(Ahead::Uncovered(time)) = &mut task.ahead {
            *time = hours(36.0);
            task.window.best = *time;
        }
    }
    assert!(own.ahead().contains(&Ahead::Uncovered(hours(36.0))));
    assert!(own.time() > hours(36.0) && own.hands_on() < hours(0.5));
}
