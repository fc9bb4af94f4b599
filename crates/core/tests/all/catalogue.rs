//! The catalogue against public composition tables, and what every entry must be; thawing against the
//! agencies' rule.

use ember_core::doneness::{Handling, Region, floor, usual_texture};
use ember_core::fryer::{MachineKind, PRESETS, typical};
use ember_core::geometry::lay;
use ember_core::meat::{CATALOGUE, Class, CutId, Material, NOT_YET, cut};
use ember_core::plan::{Request, plan, thawing};
use ember_core::prep::{Bath, methods};
use ember_core::units::{Density, Mass};

/// Raw, water, protein and fat by mass: public food composition tables, from memory, as in the project's
/// standards note.
#[test]
fn compositions_are_those_of_the_tables() {
    for (id, water, protein, fat) in [
        (CutId::BonelessBreast, 0.74, 0.225, 0.026),
        (CutId::BoneInThigh, 0.67, 0.17, 0.15),
        (CutId::PartyWing, 0.66, 0.18, 0.16),
        (CutId::Drumstick, 0.72, 0.18, 0.09),
        (CutId::PorkBellySlab, 0.37, 0.09, 0.53),
        (CutId::PorkLoinRoast, 0.71, 0.21, 0.07),
        (CutId::PorkShoulderPiece, 0.65, 0.17, 0.18),
        (CutId::BackRibs, 0.60, 0.17, 0.23),
        (CutId::BeefRumpRoast, 0.71, 0.22, 0.06),
        (CutId::BeefRibSteak, 0.61, 0.18, 0.20),
        (CutId::BeefShortRib, 0.49, 0.14, 0.36),
        (CutId::TurkeyDrumstick, 0.72, 0.20, 0.07),
    ] {
        let composition = cut(id).composition;
        for (got, wanted) in [
            (composition.water, water),
            (composition.protein, protein),
            (composition.fat, fat),
        ] {
            assert!((got - wanted).abs() < 0.011, "{id:?}: {got} {wanted}");
        }
    }
}

/// What every entry must be, whatever is added: by hand.
#[test]
fn every_entry_holds_together() {
    let mut names = Vec::new();
    for entry in CATALOGUE {
        let name = entry.name;
        let composition = entry.composition;
        let sum = composition.water + composition.protein + composition.fat;
        assert!((0.97..=1.0).contains(&sum), "{name}: {sum}");
        assert!((0.0..0.4).contains(&entry.bone), "{name}");
        let [light, usual, heavy] = entry.usual_mass;
        assert!(light < usual && usual < heavy, "{name}");
        assert!(
            entry
                .textures
                .windows(2)
                .all(|two| two[0].core < two[1].core),
            "{name}"
        );
        assert!(
            entry
                .textures
                .windows(2)
                .all(|two| two[0].name != two[1].name),
            "{name}"
        );
        let thin = entry.expected_thickness(light);
        assert!(thin <= entry.expected_thickness(heavy), "{name}");
        assert!(!entry.probe.is_empty() && entry.usual_pieces > 0, "{name}");
        assert_eq!(
            entry.animal.is_poultry(),
            entry.class != Class::WholeCut,
            "{name}"
        );
        assert!(Handling::Plain.applies(entry), "{name}");
        // A piece of usual weight and thickness is a body of that weight, but for its rounded ends.
        let material = Material::of(composition.with_bone(entry.bone));
        let density = Density::from_kilograms_per_cubic_metre(material.density());
        let (body, outline) = lay(entry.form, usual, entry.expected_thickness(usual), density);
        let share = body.volume() * material.density() / usual.kilograms();
        assert!((0.5..=1.02).contains(&share), "{name}: {share}");
        assert!(outline.width <= outline.length, "{name}");
        for region in Region::ALL {
            let texture = usual_texture(entry, region).unwrap();
            let least = floor(region, entry.animal, entry.class, Handling::Plain);
            assert!(!least.is_above(texture.core), "{name} {region:?}");
        }
        assert!(!methods(entry).is_empty());
        names.extend([name, entry.plural]);
    }
    let all = names.len();
    names.sort_unstable();
    names.dedup();
    assert_eq!(names.len(), all, "names are told apart");
}

/// Each typical machine cooks what it is for.
#[test]
fn every_typical_machine_cooks_a_chop() {
    for preset in &PRESETS {
        let machine = preset.machine();
        let oven = matches!(machine.kind, MachineKind::FanOven | MachineKind::StillOven);
        let minutes = plan(&Request::usual(CutId::PorkChop, machine))
            .unwrap()
            .pull_at
            .minutes();
        // Common practice: some 12 min in an air fryer, half as long again and more in an oven.
        let range = if oven { 13.0..40.0 } else { 8.0..20.0 };
        assert!(range.contains(&minutes), "{}: {minutes}", preset.id);
    }
}

/// Freezer to fridge about 24 h for 2 kg; cold water, changed every 30 min, 1 h for 1 kg (food safety
/// agencies, from memory), for flat packages: within a factor of two, which is how they are meant.
#[test]
fn thawing_takes_what_the_agencies_say() {
    let hours = |id, grams: f64, bath| {
        let mut request = Request::usual(id, PRESETS[2].machine());
        request.mass = Mass::from_grams(grams);
        request.pieces = 1;
        thawing(&request, bath).minutes() / 60.0
    };
    for (id, grams, bath, by_rule) in [
        (CutId::BeefRoast, 2000.0, Bath::Fridge, 24.0),
        (CutId::WholeChicken, 2000.0, Bath::Fridge, 24.0),
        (CutId::PorkBellySlab, 1000.0, Bath::ColdWater, 1.0),
        // "A package of a pound or less in an hour."
        (CutId::BonelessBreast, 225.0, Bath::ColdWater, 1.0),
    ] {
        let got = hours(id, grams, bath);
        assert!(
            (0.5..=2.0).contains(&(got / by_rule)),
            "{id:?} {grams} g: {got:.1} h against {by_rule}"
        );
    }
    // Water is quicker, and more takes longer.
    for id in [CutId::BoneInThigh, CutId::PorkChop, CutId::WholeChicken] {
        let [_, usual, heavy] = cut(id).usual_mass.map(|mass| mass.grams());
        assert!(hours(id, usual, Bath::ColdWater) < 0.5 * hours(id, usual, Bath::Fridge));
        assert!(hours(id, heavy, Bath::Fridge) > hours(id, usual, Bath::Fridge));
    }
}

/// Names that kitchens and shops use, here and elsewhere (common practice): each finds a cut, or is said not
/// to be planned yet; none is both.
#[test]
fn everyday_names_are_known() {
    let known: Vec<&str> = CATALOGUE
        .iter()
        .flat_map(|cut| {
            cut.id
                .other_names()
                .iter()
                .copied()
                .chain([cut.name, cut.plural])
        })
        .collect();
    let not_yet: Vec<&str> = NOT_YET.iter().flat_map(|one| one.names).copied().collect();
    for name in [
        "rack",
        "baby back",
        "riblet",
        "spare rib",
        "topside",
        "silverside",
        "sirloin",
        "ribeye",
        "scotch fillet",
        "joint",
        "mid-joint",
        "drummette",
        "shoulder butt",
        "pork belly",
        "poussin",
        "schnitzel",
        "picanha",
        "tomahawk",
    ] {
        assert!(known.contains(&name), "{name}");
    }
    for name in ["tenders", "gammon", "ham", "sausage"] {
        assert!(not_yet.contains(&name), "{name}");
    }
    for name in &not_yet {
        assert!(!known.contains(name), "{name} is both");
    }
    for cut in CATALOGUE {
        let mut own = cut.id.other_names().to_vec();
        own.sort_unstable();
        own.dedup();
        assert_eq!(own.len(), cut.id.other_names().len(), "{}", cut.name);
        assert!(!own.contains(&cut.name), "{}", cut.name);
    }
}

/// Machines by their label, from 1 to 60 l: each can be, and more litres are never less room.
#[test]
fn a_machine_of_any_capacity_can_be() {
    for kind in MachineKind::ALL {
        let mut before = 0.0;
        for litres in [1.5, 2.5, 3.5, 4.6, 5.5, 7.0, 9.0, 11.0, 24.0, 60.0] {
            let machine = typical(kind, litres);
            machine
                .check()
                .unwrap_or_else(|error| panic!("{kind:?} {litres} l: {error}"));
            let [width, depth] = machine.floor.sides().map(|side| side.millimetres());
            let room = width * depth * machine.height.millimetres();
            assert!(room >= before, "{kind:?} {litres} l");
            before = room;
        }
    }
}

/// Common practice: a joint cut from a loin is as thick as the loin, whatever it weighs; a heavier section of
/// ribs is somewhat thicker; a heavier steak of one outline mostly is.
#[test]
fn thickness_follows_the_weight_as_pieces_are_cut() {
    let grows = |id: CutId| {
        let entry = cut(id);
        let [least, _, most] = entry.usual_mass;
        let [thin, thick] = [least, most].map(|mass| entry.expected_thickness(mass).millimetres());
        thick / thin
    };
    assert!((1.0..1.15).contains(&grows(CutId::PorkLoinRoast)));
    assert!((1.05..1.2).contains(&grows(CutId::BackRibs)));
    assert!(grows(CutId::BeefSteak) > 1.5);
}
