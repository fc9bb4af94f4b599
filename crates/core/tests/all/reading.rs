//! Recipes as they are printed and told, read for the heat. The texts are invented in the manner of practitioners;
//! their numbers are common practice.

use ember_core::fryer::{MachineKind, PRESETS};
use ember_core::meat::{Browning, CutId, Layer};
use ember_core::plan::{PlanError, Programme, Request, reading};
use ember_core::recipe::{Cooking, Sauced, read_cooking};
use ember_core::units::Mass;
use proptest::prelude::*;

/// A text with the setting, °C, the minutes, the weight, g, the pieces, the cut.
type Told = (
    &'static str,
    Option<f64>,
    Option<f64>,
    Option<f64>,
    Option<u32>,
    Option<CutId>,
);

#[test]
fn what_recipes_say_is_read() {
    let told: [Told; 16] = [
        (
            "400 °F 20 min, turn half-way, for 2 lb drumsticks",
            Some(204.4),
            Some(20.0),
            Some(907.2),
            None,
            Some(CutId::Drumstick),
        ),
        (
            "Air fry 8 chicken thighs at 380F for 22-25 minutes",
            Some(193.3),
            Some(23.5),
            None,
            Some(8),
            Some(CutId::BoneInThigh),
        ),
        ("200°C, 25 mins", Some(200.0), Some(25.0), None, None, None),
        (
            "Cook at 400 for 18 to 22 minutes until crisp",
            Some(204.4),
            Some(20.0),
            None,
            None,
            None,
        ),
        ("180 C 2 h", Some(180.0), Some(120.0), None, None, None),
        (
            "1 h 10 min at 175 degrees C, 1.4 kg pork loin roast",
            Some(175.0),
            Some(70.0),
            Some(1400.0),
            None,
            Some(CutId::PorkLoinRoast),
        ),
        (
            "two and a half pounds of party wings, 2 1/2 lb, 425 degrees fahrenheit, 28 minutes",
            Some(218.3),
            Some(28.0),
            Some(1134.0),
            None,
            Some(CutId::PartyWing),
        ),
        (
            "220 °C for 20 min, then 160 °C for 45 min",
            Some(220.0),
            Some(65.0),
            None,
            None,
            None,
        ),
        (
            "beef roast, rare",
            None,
            None,
            None,
            None,
            Some(CutId::BeefRoast),
        ),
        ("35 min", None, Some(35.0), None, None, None),
        (
            "pork chops 12 oz",
            None,
            None,
            Some(340.2),
            None,
            Some(CutId::PorkChop),
        ),
        ("something nice", None, None, None, None, None),
        (
            "380F for 22 min, then let rest for 5 minutes",
            Some(193.3),
            Some(22.0),
            None,
            None,
            None,
        ),
        (
            "Preheat 5 min. 200 °C, 18 min; 10 min rest",
            Some(200.0),
            Some(18.0),
            None,
            None,
            None,
        ),
        (
            "marinate for 4 hours, cook 25 min at 390 F",
            Some(198.9),
            Some(25.0),
            None,
            None,
            None,
        ),
        (
            "rest it 5 min, 12 min more at 200 C",
            Some(200.0),
            Some(12.0),
            None,
            None,
            None,
        ),
    ];
    for (text, setting, minutes, grams, pieces, cut) in told {
        let read = read_cooking(text);
        let near = |a: Option<f64>, b: Option<f64>| match (a, b) {
            (Some(a), Some(b)) => (a - b).abs() < 0.1,
            (a, b) => a == b,
        };
        assert!(
            near(read.setting.map(|one| one.celsius()), setting),
            "{text}: {read:?}"
        );
        assert!(
            near(read.time.map(|one| one.minutes()), minutes),
            "{text}: {read:?}"
        );
        assert!(
            near(read.mass.map(|one| one.grams()), grams),
            "{text}: {read:?}"
        );
        assert_eq!((read.pieces, read.cut), (pieces, cut), "{text}");
    }
    let stages = read_cooking("220 °C for 20 min, then 160 °C for 45 min").stages;
    assert_eq!(stages.len(), 2);
}

/// As recipes are printed: each with what it says of the pieces, the thickness, the minutes and the dial.
#[test]
fn recipes_as_they_are_printed_are_read() {
    struct Said {
        text: &'static str,
        cut: CutId,
        pieces: Option<u32>,
        each: Option<f64>,
        all: Option<f64>,
        thick: Option<f64>,
        minutes: f64,
        setting: f64,
        stages: usize,
    }
    let said = |text, cut, minutes, setting| Said {
        text,
        cut,
        pieces: None,
        each: None,
        all: None,
        thick: None,
        minutes,
        setting,
        stages: 0,
    };
    let printed = [
        said(
            "Preheat the air fryer to 380°F. Air fry the chicken thighs, skin side down, for 10 minutes; flip and \
             cook 8 to 10 minutes more until the internal temperature reaches 165°F.",
            CutId::BoneInThigh,
            19.0,
            193.3,
        ),
        Said {
            pieces: Some(4),
            each: Some(170.1),
            thick: Some(25.4),
            ..said(
                "4 boneless pork chops (1 inch thick, 6 oz each). Cook at 400 F for 12 minutes, flipping halfway.",
                CutId::BonelessChop,
                12.0,
                204.4,
            )
        },
        said(
            "Frozen chicken wings, 200C, 25 minutes, shaking the basket every 8 minutes",
            CutId::PartyWing,
            25.0,
            200.0,
        ),
        Said {
            thick: Some(25.4),
            ..said(
                "1-inch ribeye, 400°F, 10-12 minutes, turning after 6 minutes",
                CutId::BeefSteak,
                11.0,
                204.4,
            )
        },
        Said {
            all: Some(680.4),
            ..said(
                "1½ lb pork tenderloin at 400 for 20 to 25 min",
                CutId::PorkTenderloin,
                22.5,
                204.4,
            )
        },
        Said {
            all: Some(1000.0),
            ..said(
                "Gas mark 6 for 40 minutes, 1 kg chicken thighs",
                CutId::BoneInThigh,
                40.0,
                200.0,
            )
        },
        Said {
            each: Some(226.8),
            ..said(
                "Chicken breasts, 8 oz each (2), 375 F, 16-18 minutes, rest 5 minutes",
                CutId::BonelessBreast,
                17.0,
                190.6,
            )
        },
        Said {
            all: Some(1500.0),
            ..said(
                "180 °C 2 h, pork shoulder 1.5 kg",
                CutId::PorkShoulderPiece,
                120.0,
                180.0,
            )
        },
        Said {
            all: Some(1134.0),
            stages: 2,
            ..said(
                "ribs: 1 rack (2.5 lb), 380 F 20 minutes meat side down, flip, 15 more minutes, brush with sauce, \
                 400 F 5 minutes",
                CutId::BackRibs,
                40.0,
                193.3,
            )
        },
        Said {
            all: Some(900.0),
            ..said(
                "After 10 minutes at 190 °C flip the drumsticks and cook 12 minutes more, 900 g",
                CutId::Drumstick,
                22.0,
                190.0,
            )
        },
    ];
    for one in printed {
        let read = read_cooking(one.text);
        let near = |a: Option<f64>, b: Option<f64>| match (a, b) {
            (Some(a), Some(b)) => (a - b).abs() < 0.1,
            (a, b) => a == b,
        };
        let text = one.text;
        assert_eq!(read.cut, Some(one.cut), "{text}");
        assert!(
            near(read.time.map(|time| time.minutes()), Some(one.minutes)),
            "{text}: {read:?}"
        );
        assert!(
            near(read.setting.map(|at| at.celsius()), Some(one.setting)),
            "{text}: {read:?}"
        );
        assert!(
            near(read.each.map(|mass| mass.grams()), one.each),
            "{text}: {read:?}"
        );
        assert!(
            near(read.mass.map(|mass| mass.grams()), one.all),
            "{text}: {read:?}"
        );
        assert!(
            near(read.thickness.map(|at| at.millimetres()), one.thick),
            "{text}: {read:?}"
        );
        if one.pieces.is_some() {
            assert_eq!(read.pieces, one.pieces, "{text}");
        }
        if one.stages > 0 {
            assert_eq!(read.stages.len(), one.stages, "{text}: {read:?}");
        }
        assert_eq!(read.frozen, text.starts_with("Frozen"), "{text}");
    }
    let sides = read_cooking("Steak 2.5 cm, 200 C, 4 mins each side");
    assert_eq!(
        (sides.time.unwrap().minutes(), sides.turned),
        (8.0, Some(true))
    );
    assert_eq!(
        read_cooking("ribs, 3 h at 135 °C").cut,
        Some(CutId::BackRibs)
    );
    // A hot start before a rule.
    let roast =
        read_cooking("Roast beef 1.2 kg, 200 °C for 15 min, then 160 °C for 20 min per 500 g");
    assert_eq!(roast.cut, Some(CutId::BeefRoast));
    // By hand: 2.4 times 20 and the 15.
    let lasts = roast.lasts(Mass::from_grams(1200.0)).unwrap();
    assert_eq!(lasts.minutes().round(), 63.0);
    assert_eq!(roast.stages.len(), 2);
    // What is not planned is said to be so.
    let fish = read_cooking("Salmon, 200 °C 10 min");
    assert!(fish.cut.is_none() && fish.not_planned.is_some());
}

#[test]
fn where_and_how_is_read() {
    let machine = |text: &str| read_cooking(text).machine;
    assert_eq!(machine("in a toaster oven"), Some(MachineKind::OvenStyle));
    assert_eq!(machine("roast in a fan oven"), Some(MachineKind::FanOven));
    assert_eq!(machine("roast in the oven"), Some(MachineKind::StillOven));
    assert_eq!(
        machine("in the basket of your air fryer"),
        Some(MachineKind::Drawer)
    );
    assert_eq!(
        machine("in both drawers of a dual machine"),
        Some(MachineKind::TwinDrawers)
    );
    assert_eq!(machine("200 °C"), None);
    assert_eq!(machine("cut into individual ribs"), None);
    assert_eq!(
        machine("30 min at 220 °C (fan 200) then 25"),
        Some(MachineKind::StillOven)
    );
    // Over or under it, a grill is nearer to one with a lid than to a drawer.
    assert_eq!(
        machine("Grill the chops 5 minutes each side"),
        Some(MachineKind::LiddedGrill)
    );
    assert_eq!(machine("on the grill pan, 200 °C"), None);
    let turned = |text: &str| read_cooking(text).turned;
    assert_eq!(turned("flip after 10 min"), Some(true));
    assert_eq!(turned("20 min, do not turn"), Some(false));
    assert_eq!(turned("20 min"), None);
}

/// What stands around the minutes: when something is done within them, what comes before the heat, stages whose dial
/// stands behind their time, ovens by three dials.
#[test]
fn what_a_time_is_of_is_read() {
    let told: [(&str, f64, f64, usize); 46] = [
        (
            "Turkey breast joint, 900 g. Air fry at 170 °C for 50 minutes. Turn over after 25 minutes. Allow to stand \
             15 minutes.",
            50.0,
            170.0,
            0,
        ),
        (
            "2 ribeye steaks, room temperature 30 minutes. 400F 12 minutes, flipping halfway.",
            12.0,
            204.4,
            0,
        ),
        (
            "Air fry at 400F for 20 minutes. After 10 minutes, flip the drumsticks.",
            20.0,
            204.4,
            0,
        ),
        (
            "After 10 minutes, flip. 400 F, 20 min total",
            20.0,
            204.4,
            0,
        ),
        (
            "Cook at 180 for 25 minutes, 6 chicken thighs",
            25.0,
            180.0,
            0,
        ),
        (
            "380F, 22 minutes, shaking after 5 and 10 minutes and again at the 15 minute mark",
            22.0,
            193.3,
            0,
        ),
        (
            "Marinate thighs in yogurt (200 g), 8 hours in the fridge. Bake 200 C fan 35 mins.",
            35.0,
            200.0,
            0,
        ),
        (
            "Pork tenderloin, 400F, 18-20 min until 145 F, let it rest, tented with foil, for 5 minutes",
            19.0,
            204.4,
            0,
        ),
        (
            "25 minutes at 160°C; 30 minutes at 200 °C until it crackles",
            55.0,
            160.0,
            2,
        ),
        (
            "Preheat to 200°C/180 fan/gas 6. Roast 15-18 min.",
            16.5,
            200.0,
            0,
        ),
        ("Drumsticks 20 min @ 200", 20.0, 200.0, 0),
        (
            "Prep time: 10 minutes. Cook time: 25 minutes. Total time: 35 minutes. 1. Season the wings. 2. Cook at \
             400F for 24 minutes.",
            24.0,
            204.4,
            0,
        ),
        (
            "Wings, 400F. Prep Time 5 mins, Cook Time 25 mins",
            25.0,
            204.4,
            0,
        ),
        (
            "cook at 380 for 20 min until an internal temp of 165, then rest 5 min",
            20.0,
            193.3,
            0,
        ),
        (
            "Whole chicken, 4 lb. 360 F for 60 minutes (15 min per pound)",
            60.0,
            182.2,
            0,
        ),
        (
            "Thighs 380F 20-25 mins turning halfway; brush with sauce for the last 5 mins",
            22.5,
            193.3,
            0,
        ),
        (
            "2 kg crown: 160 °C 30 min breast down, 30 min breast up, then 180 for 10",
            70.0,
            160.0,
            2,
        ),
        (
            "Belly 1.5 kg: 220C for 25 minutes, then 160C for 75 minutes, then 220C for 10 mins",
            110.0,
            220.0,
            3,
        ),
        (
            "Brine 4 chicken breasts 30 min in 4 cups water. 375F 18 min.",
            18.0,
            190.6,
            0,
        ),
        (
            "Heat the air fryer to 400 F for 5 minutes. Cook the steak 4 minutes, flip, 4-5 minutes",
            8.5,
            204.4,
            0,
        ),
        (
            "Preheat. Add 4 thighs, cook 20 min at 190 C",
            20.0,
            190.0,
            0,
        ),
        ("390F 9 min, flip, 8 min, rest 8", 17.0, 198.9, 0),
        (
            "6 thighs @ 190C. 15 min skin down. Flip + 10.",
            25.0,
            190.0,
            0,
        ),
        (
            "chicken 1.8 kg, 20 min per 500 g + 20 min at 190c",
            92.0,
            190.0,
            0,
        ),
        (
            "220 °C 10 min, then 160 °C roughly 15-20 minutes. Rest under foil for 15 minutes.",
            27.5,
            220.0,
            2,
        ),
        (
            "190 °C 25–30 min; baste with butter after 15 min",
            27.5,
            190.0,
            0,
        ),
        (
            "Prep: 5 min | Cook: 25 min | Total: 30 min. 8 chicken legs. 1. Preheat the air fryer to 400 F (200 C) for 3 \
             minutes. 2. Air fry for 15 minutes, flip, and air fry another 8 to 10 minutes.",
            24.0,
            204.4,
            0,
        ),
        ("Prep 10 min, cook 25 min. Legs at 200 C", 25.0, 200.0, 0),
        ("Cook 25 min, total 25 min, legs at 200 C", 25.0, 200.0, 0),
        (
            "Belly. Remove 30 minutes before cooking. 200 °C 25 minutes, then 160 °C for a further 30 minutes",
            55.0,
            200.0,
            2,
        ),
        (
            "Ribeye 225°F 25-30 min. Sear in a skillet 1 min per side.",
            27.5,
            107.2,
            0,
        ),
        ("Pork chop, 400F, 5 min/side, pull at 140F", 10.0, 204.4, 0),
        (
            "Pork shoulder 2 kg. 30 mins @ 220 °C (fan 200) then 25 mins per 500g @ 180 °C (fan 160). Rest 30 mins.",
            130.0,
            220.0,
            2,
        ),
        (
            "375F 15 min meat down, flip and cook another 10, brush with sauce, 5 more minutes",
            30.0,
            190.6,
            0,
        ),
        ("190 °C 12 minutes, turn, 8 more.", 20.0, 190.0, 0),
        (
            "1. Preheat to 375 degrees F. 2. Cook for 10 minutes.",
            10.0,
            190.6,
            0,
        ),
        ("thighs from fridge 18min 200c", 18.0, 200.0, 0),
        (
            "thighs straight from the fridge, 18min 200c",
            18.0,
            200.0,
            0,
        ),
        (
            "wings 360F/25 min, shake at 10 & 20, then 390F/5.",
            30.0,
            182.2,
            2,
        ),
        ("thighs (bone in) 25 @ 380, flip at 12.", 25.0, 193.3, 0),
        ("180 °C for half an hour, drumsticks", 30.0, 180.0, 0),
        ("Turkey breast joint, 1 hr 20 at 170°C", 80.0, 170.0, 0),
        ("1 h 10 min at 175 °C", 70.0, 175.0, 0),
        ("ribs 600g 160°C 40min + 10min 200°C", 50.0, 160.0, 2),
        ("180°C 20 min 200°C 10 min", 30.0, 180.0, 2),
        // What is wanted inside is no dial, whatever number comes next.
        (
            "cook at 380 for 20 min until an internal temp of 165, 5 min more if not",
            25.0,
            193.3,
            0,
        ),
    ];
    for (text, minutes, celsius, stages) in told {
        let read = read_cooking(text);
        let all = read.mass.unwrap_or(Mass::from_grams(0.0));
        let time = read.lasts(all).map(|time| time.minutes());
        assert_eq!(time, Some(minutes), "{text}: {read:?}");
        let setting = read.setting.unwrap().celsius();
        assert!((setting - celsius).abs() < 0.1, "{text}: {setting}");
        assert_eq!(read.stages.len(), stages, "{text}: {:?}", read.stages);
    }
    let steak = read_cooking("steak, 30 min at room temperature, 200 C 10 min, medium-rare");
    assert_eq!(steak.tempered.unwrap().minutes(), 30.0);
    assert_eq!(steak.inside.unwrap().celsius(), 57.0);
    let inside = |text: &str| read_cooking(text).inside.map(|core| core.celsius().round());
    assert_eq!(
        inside("20 min at 380 until internal temp reaches 165F"),
        Some(74.0)
    );
    assert_eq!(inside("190 C, core 75"), Some(75.0));
    assert_eq!(inside("steak 400° 5 min, 130° internal"), Some(54.0));
    let thick = read_cooking("steaks, 1¼\" thick").thickness.unwrap();
    assert!((thick.millimetres() - 31.75).abs() < 1e-9);
    assert_eq!(inside("cook until golden, 180 C"), None);
    let pieces = |text: &str| {
        let read = read_cooking(text);
        let one = read.each.or(read.mass);
        (read.pieces, one.map(|mass| mass.grams().round()))
    };
    assert_eq!(
        pieces("bone-in thighs 6 x 170 g, 200 C 25 min"),
        (Some(6), Some(170.0))
    );
    assert_eq!(
        pieces("8 oz chicken breasts (2) 18 min"),
        (Some(2), Some(227.0))
    );
    assert_eq!(pieces("1. Season the wings. 2. Cook 20 min").0, None);
    assert_eq!(
        pieces("Turkey legs: 2 legs (1 lb each)"),
        (Some(2), Some(454.0))
    );
    assert_eq!(pieces("ribs, cut into 4 pieces, 1.2 kg").0, Some(4));
    assert_eq!(pieces("Toss 6 thighs in oil, 400F 20 min").0, Some(6));
    assert_eq!(
        pieces("chicken supremes 180 g x 2, 190C"),
        (Some(2), Some(180.0))
    );
    assert_eq!(
        pieces("- 4 (6 oz.) boneless, skinless chicken breasts"),
        (Some(4), Some(170.0))
    );
    let thick = read_cooking("1 1/2-inch-thick pork chops at 400 degrees, 14 min").thickness;
    assert!((thick.unwrap().millimetres() - 38.1).abs() < 1e-9);
    assert_eq!(
        inside("Cook tenderloin 20 min at 390, it's done at 145"),
        Some(63.0)
    );
    // A hyphen makes it the weight of one.
    let steaks = read_cooking("8-oz. sirloin steaks, 400°F, 10 min");
    assert_eq!(steaks.each.map(|mass| mass.grams().round()), Some(227.0));
    assert_eq!(pieces("lamb chops x 6, 1\" thick, 8 min").0, Some(6));
    assert_eq!(pieces("Drumsticks × 10, 200 °C 25 min").0, Some(10));
    assert_eq!(pieces("pork chops 3/4 inch, 4 of them, 12 min").0, Some(4));
    assert_eq!(pieces("28 g protein, 12 g fat; wings 900 g").1, Some(900.0));
    // What else is weighed is not the meat.
    let brined =
        read_cooking("Brine in water with 60 g salt. Then 4 pork chops at 190 for 14 minutes");
    assert_eq!((brined.mass, brined.pieces), (None, Some(4)));
    let listed = read_cooking("2 kg flour-free rub mix; 900 g chicken wings, 200 C 25 min");
    assert!((listed.mass.unwrap().grams() - 900.0).abs() < 1e-9);
}

/// What is cooked where its name stands apart, what is on it, what is brushed on.
#[test]
fn what_is_cooked_and_how_it_is_dressed_is_read() {
    let cut = |text: &str| read_cooking(text).cut;
    assert_eq!(
        cut("pork chops 3/4\" thick boneless 400 for 12 min"),
        Some(CutId::BonelessChop)
    );
    assert_eq!(
        cut("Grill the chops 5 minutes each side"),
        Some(CutId::PorkChop)
    );
    assert_eq!(cut("lamb rib chops, 200 C"), Some(CutId::LambChop));
    assert_eq!(cut("1.5kg chicken: 200C 60 min"), Some(CutId::WholeChicken));
    assert_eq!(cut("chicken, 400 F"), None);
    let meant = [
        ("rib eye 1\", 4 min a side", CutId::BeefSteak),
        ("lamb steaks 200 g", CutId::LambChop),
        ("chicken thigh fillets 600 g", CutId::BonelessThigh),
        ("country style ribs 2 lb", CutId::CountryRib),
        ("pork shoulder steaks 4 x 200 g", CutId::BonelessChop),
        ("pork belly strips 500 g", CutId::BellyCubes),
        ("prime rib 2 kg", CutId::BeefRoast),
        ("rack of pork ribs 600 g", CutId::BackRibs),
        (
            "butterflied chicken breasts, 200 g each",
            CutId::BonelessBreast,
        ),
        ("1 kg pork belly cut into 2 cm cubes", CutId::BellyCubes),
        ("cubed pork belly", CutId::BellyCubes),
        ("tri tip 2.5 lb", CutId::BeefRoast),
        ("beef tri-tip steaks", CutId::BeefSteak),
        ("boneless pork ribs (country style)", CutId::CountryRib),
        ("pork tenderloin medallions, 2.5 cm", CutId::BonelessChop),
        ("sirloin tip roast 3 lb", CutId::BeefRoast),
        ("roast the sirloin steaks", CutId::BeefSteak),
        ("whole chicken wings", CutId::WholeWing),
        ("whole chicken legs x2", CutId::LegQuarter),
        ("pork loin 1.25 kg, crackling on", CutId::PorkLoinRoast),
        (
            "drumsticks; serve with diced tomatoes and cubed potatoes",
            CutId::Drumstick,
        ),
        (
            "thighs. Cut the potatoes into 1-inch chunks",
            CutId::BoneInThigh,
        ),
        ("breasts, 190 C 20 min", CutId::BonelessBreast),
        ("bacon-wrapped chicken breasts", CutId::BonelessBreast),
    ];
    for (text, wanted) in meant {
        assert_eq!(cut(text), Some(wanted), "{text}");
    }
    let near = |text: &str| {
        let read = read_cooking(text);
        assert_eq!(read.cut, None, "{text}");
        read.not_planned.unwrap_or_else(|| panic!("{text}")).nearest
    };
    assert_eq!(
        near("half chicken (750 g), 190 °C 40 min"),
        Some(CutId::SpatchcockedChicken)
    );
    assert_eq!(
        near("turkey thighs 1 kg 180C 60 min"),
        Some(CutId::TurkeyDrumstick)
    );
    for text in [
        "boneless leg of lamb 1 kg",
        "2 cups of diced chicken breast",
        "chicken nuggets",
        "Steak bites with garlic: 1.5 lb sirloin",
        "1.5 lb sirloin cut into 1\" pieces, 400F 8 min",
        "lamb rump 300 g",
        "steak 54C 2 h sous vide, then air fryer 200C 3 min",
        "cubed sirloin, 8 min",
        "Cut the chicken breasts into 1-inch cubes; 400F 8 minutes",
        "chicken kiev, 180C 25 min",
        "stuffed chicken breasts, 190 C",
        "tuna steaks",
        "veal chops",
    ] {
        assert_eq!(near(text), None, "{text}");
    }
    // Cured meat cooks otherwise, joint or not.
    let gammon = read_cooking("Gammon joint 1.2 kg, 35 min per kg");
    assert!(gammon.cut.is_none() && gammon.not_planned.is_some());
    let rack = read_cooking("rack of lamb, 200 C 20 min");
    assert_eq!(rack.not_planned.unwrap().nearest, Some(CutId::LambChop));
    for bone in [
        "bone-in skin-on chicken breasts",
        "2 bone-in, skin-on breasts",
        "split chicken breasts",
    ] {
        let read = read_cooking(&format!("{bone}, 375 F 35 min"));
        let nearest = read.not_planned.and_then(|one| one.nearest);
        assert_eq!(
            (read.cut, nearest),
            (None, Some(CutId::BonelessBreast)),
            "{bone}"
        );
    }
    assert_eq!(
        cut("boneless chicken breasts, 190 C 20 min"),
        Some(CutId::BonelessBreast)
    );
    let one = read_cooking("a pork tenderloin, 600 g, 400 F 20 min");
    assert!(one.is_one && !read_cooking("pork chops 600 g").is_one);
    let ribs = "Baby back ribs 400°F 20 mins, flip, brush with BBQ sauce, 10 more mins";
    assert_eq!(read_cooking(ribs).sauced, Some(Sauced::Brushed));
    let wings = "Wings 25 min at 380, then toss in buffalo sauce";
    assert_eq!(read_cooking(wings).sauced, Some(Sauced::Tossed));
    assert_eq!(read_cooking("brush with oil").sauced, None);
    let on_it = |text: &str| read_cooking(text).layers;
    assert_eq!(
        on_it("pat dry, toss with baking powder"),
        [Layer::PattedDry, Layer::BakingPowder]
    );
    assert_eq!(
        on_it("dip in egg wash, then panko, spray with oil"),
        [Layer::PattedDry, Layer::Egg, Layer::Crumb, Layer::Spray]
    );
    assert_eq!(
        on_it("Flour, egg, panko"),
        [Layer::PattedDry, Layer::Flour, Layer::Egg, Layer::Crumb]
    );
    assert_eq!(
        on_it("4 breaded chicken cutlets, sprayed"),
        [Layer::PattedDry, Layer::Egg, Layer::Crumb, Layer::Spray]
    );
    assert!(on_it("oil and season").is_empty());
    // A dial that is turned turns no meat.
    assert_eq!(read_cooking("then turn up to 400 °F").turned, None);
    let hot = |text: &str| read_cooking(text).preheated;
    assert_eq!(hot("Preheat to 200 C"), Some(true));
    assert_eq!(hot("no need to preheat"), Some(false));
}

/// For the kitchen's own machine: what does not go into it is told there alone; stages come along, as long against
/// the whole.
#[test]
fn a_recipe_is_read_for_a_machine_that_differs() {
    let own = Request::usual(CutId::Drumstick, PRESETS[0].machine());
    let bird = read_cooking("whole chicken (4 lb) 350F 60 min, turn half-way");
    let read = reading(&bird, &own).unwrap();
    assert!(
        matches!(read.own, Err(PlanError::TooTall { .. })),
        "{:?}",
        read.own
    );
    assert_eq!(read.written.machine.kind, MachineKind::OvenStyle);
    assert!(read.there.core.celsius() > 60.0);
    // Also where it says that it is a drawer: larger ones are sold than are known here.
    let said = reading(
        &read_cooking("air fryer, 5 lb whole chicken 350F 70 min"),
        &own,
    )
    .unwrap();
    assert_eq!(said.written.machine.kind, MachineKind::OvenStyle);
    assert!(
        said.assumed[0]
            .text
            .contains("Too large or too hot for the drawers")
    );
    let two = reading(&read_cooking("8 oz chicken breasts (2) 375F 18 min"), &own).unwrap();
    let one = two.written.mass.grams().round();
    assert_eq!((two.written.pieces, one), (2, 227.0));
    let wings =
        read_cooking("wings (900 g) in the oven at 120 °C for 30 min, then 220°C 40-50 min");
    let read = reading(&wings, &own).unwrap().own.unwrap();
    let Programme::HotFinish { setting, time } = read.converted.programme else {
        panic!("{:?}", read.converted);
    };
    assert_eq!(setting, own.machine.highest);
    // As in the recipe: three fifths of it hot.
    let share = time.seconds() / read.converted.time.seconds();
    assert!((share - 0.6).abs() < 0.03, "{share}");
    assert_eq!(read.request.programme, read.converted.programme);
    let there = read.converted.there.browning[0];
    assert!(read.converted.here.browning[0] >= there.min(Browning::Golden));
    let stands = |text: &str| read_cooking(text).tempered.map(|time| time.minutes());
    assert_eq!(
        stands("Remove 30 minutes before cooking. 200 °C 25 min"),
        Some(30.0)
    );
    assert_eq!(
        stands("200 °C 25 min. Let rest 5 minutes before serving"),
        None
    );
    let inside = |text: &str| read_cooking(text).inside.map(|core| core.celsius());
    assert_eq!(
        inside("beef roast, medium rare"),
        inside("beef roast, medium-rare")
    );
    // 400 °F are the 204 °C of a dial in Celsius.
    let drawer = reading(&read_cooking("thighs 400F 20 min"), &own).unwrap();
    assert_eq!(drawer.written.machine.kind, MachineKind::Drawer);
    // A dial that no drawer has is an oven's; three dials are two, and that is told.
    let belly =
        "pork belly 1.5 kg: 220C for 25 minutes, then 160C for 75 minutes, then 220C for 10 mins";
    let read = reading(&read_cooking(belly), &own).unwrap();
    assert!(read.written.machine.highest.celsius() >= 220.0);
    let Programme::HotStart { setting, time } = read.written.programme else {
        panic!("{:?}", read.written);
    };
    assert_eq!((setting.celsius(), time.minutes()), (220.0, 25.0));
    // By hand: 75 at 160 and 10 at 220.
    let rest = read.written.setting.unwrap().celsius();
    assert!((rest - 167.0).abs() < 0.2, "{rest}");
    assert!(
        read.assumed.iter().any(|one| one.text.contains("as one")),
        "{:?}",
        read.assumed
    );
    let hot = reading(&read_cooking("drumsticks 425F 20 min"), &own).unwrap();
    let kinds: Vec<MachineKind> = hot.otherwise.iter().map(|(kind, _)| *kind).collect();
    assert_eq!(hot.written.machine.kind, MachineKind::OvenStyle);
    assert_eq!(kinds, [MachineKind::FanOven, MachineKind::StillOven]);
    // Nothing is planned below its minimum, whatever is written.
    let rare = read_cooking("beef roast 3 lb, 390F 50 min until 130°F");
    let read = reading(&rare, &own).unwrap();
    let least = read.written.floor().core.unwrap();
    assert_eq!(read.written.target, least);
    assert!(
        read.assumed
            .iter()
            .any(|one| one.text.contains("below the safe minimum"))
    );
}

/// What is not planned is read as what is nearest, with its own weight; a rack is cut to go in; foil is told.
#[test]
fn what_is_only_near_says_so() {
    let own = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    let read = |text: &str| reading(&read_cooking(text), &own).unwrap();
    let grams = |text: &str| {
        let written = read(text).written;
        (written.pieces, written.mass.grams().round())
    };
    // Common practice: a tender weighs 40 to 60 g.
    let (pieces, each) = grams("1 lb chicken tenders, breaded, 400 for 10 min, flip once");
    assert!(
        pieces >= 8 && (40.0..=60.0).contains(&each),
        "{pieces} of {each} g"
    );
    assert_eq!(grams("8 chicken tenders, 1 lb, 400 F 10 min"), (8, 57.0));
    let (pieces, each) = grams("Bone-in skin-on chicken breasts, oven 425°F 38 min");
    assert!(pieces <= 4 && each >= 280.0, "{pieces} of {each} g");
    // Common practice: a rack of back ribs weighs 700 to 1100 g, and no drawer takes one whole.
    for ribs in [
        "1 rack of baby back ribs, cut in half, 375F 30 min",
        "Baby back ribs, 1 rack, 190 °C 30 min",
    ] {
        let (pieces, each) = grams(ribs);
        let all = f64::from(pieces) * each;
        assert!(
            pieces > 1 && (700.0..=1100.0).contains(&all),
            "{ribs}: {pieces} of {each} g"
        );
    }
    let (pieces, each) = grams("2 racks of ribs (4 lb), 150 C 90 min");
    assert!(pieces > 2 && (f64::from(pieces) * each - 1814.0).abs() < 10.0);
    let in_foil = |text: &str| {
        read(text)
            .assumed
            .iter()
            .any(|one| one.text.contains("foil"))
    };
    assert!(in_foil(
        "Ribs 2 lb: wrap in foil, 300°F 60 min. Unwrap, 400°F 8 min"
    ));
    assert!(in_foil(
        "1.2 kg beef roast, cover with foil and roast at 180 °C for 60 min"
    ));
    assert!(!in_foil(
        "Steak 400 F 10 min, then rest, tented with foil, 5 min"
    ));
    assert!(!in_foil(
        "Pork chops 190 C 14 min. Cover with foil to rest for 5 min"
    ));
}

/// Rules as labels of joints have them, by hand.
#[test]
fn a_labels_rule_counts_by_weight() {
    let lasts = |text: &str, grams: f64| {
        let lasts = read_cooking(text).lasts(Mass::from_grams(grams));
        lasts.map(|time| time.minutes().round())
    };
    assert_eq!(
        lasts("20 min for each 450 g and 20 more, 180 °C", 900.0),
        Some(60.0)
    );
    assert_eq!(
        lasts("25 minutes per 500g plus 25 minutes", 1500.0),
        Some(100.0)
    );
    assert_eq!(lasts("15 min per lb", 907.2), Some(30.0));
    assert_eq!(lasts("about 18 min/lb", 907.2), Some(36.0));
    assert_eq!(lasts("180 °C 2 h", 900.0), Some(120.0));
    assert_eq!(lasts("180 °C", 900.0), None);
}

proptest! {
    /// Whatever is pasted, nothing breaks, and nothing but numbers becomes numbers.
    #[test]
    fn any_text_is_read(text in "\\PC{0,200}") {
        let read = read_cooking(&text);
        prop_assert!(read.time.is_none_or(|time| time.seconds() >= 0.0));
        // "¼ lb" is a number too.
        if !text.chars().any(char::is_numeric) {
            let Cooking { setting, time, mass, pieces, .. } = read;
            prop_assert!(setting.is_none() && time.is_none() && mass.is_none() && pieces.is_none());
        }
    }
}

/// Ground, tenderised and filled meat and meat of another animal have another safe minimum than the named cut.
#[test]
fn meat_with_another_minimum_is_not_read_as_a_plain_cut() {
    for text in [
        "Minced steak, 200 °C, 12 minutes",
        "4 hamburger steaks 190C for 14 min",
        "Cube steak: air fry at 400F for 8 minutes, flip halfway",
        "Needle-tenderised rump steaks, 220 g each, 200 C 10 min",
        "A filled bird of 1.6 kg, 180 °C for 75 minutes",
        "6 pork patties at 200 °C for 12 minutes",
        "Chicken tenderloins, 8, 200C 10 minutes",
        "2 turkey steaks 180 °C 14 min",
        "Chicken schnitzel, breaded, 200 °C 12 min",
        "4 chicken chops at 190 C for 18 minutes",
        "Venison steaks 200 C 9 min, and steaks of bison too",
    ] {
        let read = read_cooking(text);
        let refused = read
            .not_planned
            .unwrap_or_else(|| panic!("{text}: {:?}", read.cut));
        assert!(read.cut.is_none() && refused.nearest.is_none(), "{text}");
    }
    for (text, cut) in [
        (
            "Pork chops with ground pepper, 200 °C 14 min",
            CutId::PorkChop,
        ),
        (
            "Turkey drumsticks, minced garlic, 180C 50 min",
            CutId::TurkeyDrumstick,
        ),
        ("Lamb chops 200 C 12 min with mint sauce", CutId::LambChop),
        (
            "Sirloin steak in beef stock, 200 °C 10 min",
            CutId::BeefSteak,
        ),
    ] {
        let read = read_cooking(text);
        assert_eq!((read.cut, read.not_planned), (Some(cut), None), "{text}");
    }
}
