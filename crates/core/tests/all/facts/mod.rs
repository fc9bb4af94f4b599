//! The rows of `data/trade-facts.csv` and what the model says to them.
//!
//! Source: common practice, with the spread kitchens have.
#![allow(dead_code)]

use ember_core::basket::{Footprint, GAP, Room, with_air};
use ember_core::fryer::{
    Action, Cavity, Floor, KindLaw, MachineKind, OPENING, Rest, Run, Spot, Support, Which,
};
use ember_core::geometry::{self, Body};
use ember_core::heat::{FaceLaw, Grid, Piece};
use ember_core::meat::{Browning, CutId, Surface, cut};
use ember_core::units::{Length, Mass, Temperature};

/// What the rows are computed with.
pub struct Constants {
    pub face: FaceLaw,
    pub kind: Box<dyn Fn(MachineKind) -> KindLaw>,
    pub grid: fn(Body) -> Grid,
}

impl Constants {
    /// As plans are computed.
    pub fn of_plans() -> Self {
        Self {
            face: FaceLaw::MEAT,
            kind: Box::new(MachineKind::law),
            grid: Grid::fine,
        }
    }
}

/// One row of the table.
#[derive(Debug, Clone)]
pub struct Fact {
    pub id: String,
    cut: CutId,
    pieces: f64,
    mass: f64,
    /// Absent where nobody measured.
    thickness: Option<f64>,
    /// The cut's usual one where nothing is said.
    surface: Option<Surface>,
    start: f64,
    kind: MachineKind,
    support: Support,
    preheated: bool,
    /// Settings with the minute they begin.
    stages: Vec<(f64, f64)>,
    pull: f64,
    flips: Vec<f64>,
    pub quantity: String,
    at: f64,
    pub range: [f64; 2],
}

/// Every row.
pub fn facts() -> Vec<Fact> {
    let text = include_str!("../data/trade-facts.csv");
    rows(text).iter().map(|cells| fact(cells)).collect()
}

/// The rows of a table, each with its cells.
fn rows(text: &str) -> Vec<Vec<String>> {
    let mut reader = csv::Reader::from_reader(text.as_bytes());
    let rows = reader.records().map(Result::unwrap);
    rows.map(|row| row.iter().map(str::to_owned).collect())
        .collect()
}

fn fact(cells: &[String]) -> Fact {
    Fact {
        surface: None,
        quantity: cells[11].clone(),
        at: cells[12].parse().unwrap_or(0.0),
        range: [cells[13].parse().unwrap(), cells[14].parse().unwrap()],
        ..cooked(cells, &cells[6..11])
    }
}

/// What both tables say of a cook: from the fifth column on in the order of the rest.
fn cooked(cells: &[String], rest: &[String]) -> Fact {
    let cut = match cells[1].as_str() {
        "beef roast" => CutId::BeefRoast,
        "boneless chicken breast" => CutId::BonelessBreast,
        "bone-in pork chop" => CutId::PorkChop,
        "pork loin rib piece" => CutId::CountryRib,
        "whole chicken wing" => CutId::WholeWing,
        "pork belly slab" => CutId::PorkBellySlab,
        "boneless ribeye steak" => CutId::BeefSteak,
        "whole chicken" => CutId::WholeChicken,
        "turkey drumstick" => CutId::TurkeyDrumstick,
        "pork back ribs in sections" => CutId::BackRibs,
        "pork loin roast" => CutId::PorkLoinRoast,
        "spatchcocked chicken" => CutId::SpatchcockedChicken,
        "breaded chop" => CutId::BreadedChop,
        other => panic!("unknown cut {other}"),
    };
    let [start, machine, preheated, settings, flips] = rest else {
        panic!("five cells expected");
    };
    let mut stages = Vec::new();
    let mut pull = 0.0;
    for stage in settings.split(';') {
        let (setting, minutes) = stage.split_once(':').unwrap();
        stages.push((pull, setting.parse().unwrap()));
        pull += minutes.parse::<f64>().unwrap();
    }
    Fact {
        id: cells[0].clone(),
        cut,
        pieces: cells[2].parse().unwrap(),
        mass: cells[3].parse().unwrap(),
        thickness: cells[4].parse().ok(),
        surface: None,
        start: start.parse().unwrap(),
        kind: match machine.as_str() {
            "lidded grill" => MachineKind::LiddedGrill,
            "oven with fan" => MachineKind::OvenStyle,
            "drawer" | "drawer with grill plate" => MachineKind::Drawer,
            other => panic!("unknown machine {other}"),
        },
        support: if machine.ends_with("with grill plate") {
            Support::GrillPlate
        } else {
            Support::Basket
        },
        preheated: preheated == "yes",
        stages,
        pull,
        flips: flips
            .split(';')
            .filter(|f| !f.is_empty())
            .map(|f| f.parse().unwrap())
            .collect(),
        quantity: String::new(),
        at: 0.0,
        range: [0.0; 2],
    }
}

/// What a face looks like at a minute.
#[derive(Debug, Clone)]
pub struct Colour {
    pub fact: Fact,
    minute: f64,
    /// Which faces: the upper, the lower.
    pub faces: [bool; 2],
    /// The least and the most of the words that kitchens use for it.
    pub words: [Browning; 2],
}

impl Colour {
    /// What is on the meat.
    pub fn surface(&self) -> Surface {
        self.fact.surface.unwrap()
    }
}

/// The surface a row of the table speaks of.
fn surface_named(name: &str) -> Surface {
    match name {
        "patted_dry" => Surface::PATTED_DRY,
        "oiled" => Surface::OILED,
        "rubbed" => Surface::RUBBED,
        "baking_powder" => Surface::BAKING_POWDER,
        "fridge_dried" => Surface::FRIDGE_DRIED,
        "crumbed" => Surface::CRUMBED,
        "glazed" => Surface::GLAZED,
        other => panic!("no surface is called {other}"),
    }
}

/// Every row of `data/colour-facts.csv`. Out of the fridge at 5 °C, where nothing is said of it.
pub fn colours() -> Vec<Colour> {
    let text = include_str!("../data/colour-facts.csv");
    let word = |word: &str| {
        let mut words = Browning::ALL.into_iter();
        words.find(|one| one.word() == word).unwrap()
    };
    let colour = |cells: &Vec<String>| {
        let mut rest = vec!["5".to_owned()];
        rest.extend_from_slice(&cells[6..10]);
        Colour {
            fact: Fact {
                surface: Some(surface_named(&cells[5])),
                ..cooked(cells, &rest)
            },
            minute: cells[10].parse().unwrap(),
            faces: match cells[11].as_str() {
                "upper" => [true, false],
                "lower" | "plate side" => [false, true],
                "both" => [true, true],
                other => panic!("unknown face {other}"),
            },
            words: [word(&cells[12]), word(&cells[13])],
        }
    };
    rows(text).iter().map(colour).collect()
}

/// Browning of the upper and the lower face at the row's minute.
pub fn browned(row: &Colour, constants: &Constants) -> [f64; 2] {
    let mut run = run(&row.fact, constants);
    advance(&mut run, &row.fact, row.minute);
    [run.piece().upper().browning, run.piece().lower().browning]
}

/// The same power for all rows: none of them tells.
const WATTS: f64 = 1500.0;
const ROOM: f64 = 21.0;
/// A floor as families have it.
const FLOOR: Floor = Floor::rectangular(
    Length::from_millimetres(250.0),
    Length::from_millimetres(250.0),
);
/// Free height over the floor, m.
const HEIGHT: f64 = 0.11;

/// The row's machine, loaded.
pub fn run(fact: &Fact, constants: &Constants) -> Run {
    let entry = cut(fact.cut);
    let mass = Mass::from_grams(fact.mass);
    let thickness = fact
        .thickness
        .map_or_else(|| entry.expected_thickness(mass), Length::from_millimetres);
    let (grid, law) = (constants.grid, constants.face);
    let (piece, body) = Piece::raw(
        entry,
        mass,
        thickness,
        grid,
        law,
        fact.start,
        fact.surface.unwrap_or(entry.surface),
    );
    let density = entry
        .composition
        .with_bone(entry.bone)
        .density(Temperature::from_celsius(20.0));
    let (_, outline) = geometry::lay(entry.form, mass, thickness, density);
    let volume = mass.kilograms() / density.kilograms_per_cubic_metre();
    let count = fact.pieces * volume / body.volume();
    let cold = Cavity::with_law((constants.kind)(fact.kind), WATTS, ROOM).holding(fact.support);
    let setting = fact.stages[0].1;
    let cavity = if fact.preheated {
        let (mut cavity, _) = Run::preheat(cold, setting);
        cavity.open(OPENING);
        cavity
    } else {
        cold
    };
    let pieces = vec![Footprint::new(entry.silhouette, outline); fact.pieces as usize];
    let room = Room {
        floor: FLOOR,
        levels: 1,
        from_top: true,
        gap: GAP,
    };
    let loads = with_air(&pieces, std::slice::from_ref(&(0..pieces.len())), room);
    Run::load(cavity, ROOM, setting, piece, count).at(Spot {
        exposure: loads[0].trays[0].exposure(),
        gap: HEIGHT - thickness.metres(),
        shade: 0.0,
    })
}

/// Goes on to a minute, turning and setting on the way as the row says.
pub fn advance(run: &mut Run, fact: &Fact, minute: f64) {
    let from = run.elapsed() / 60.0 - 1e-9;
    let mut script: Vec<(f64, Action)> = Vec::new();
    script.extend(fact.flips.iter().map(|at| (*at, Action::Turn(Which::All))));
    script.extend(
        fact.stages
            .iter()
            .map(|(at, setting)| (*at, Action::Set(Temperature::from_celsius(*setting)))),
    );
    script.sort_by(|a, b| a.0.total_cmp(&b.0));
    for (at, action) in script {
        if at >= from && at < minute {
            run.advance_to(at * 60.0);
            run.perform(&[action]);
        }
    }
    run.advance_to(minute * 60.0);
}

/// What the model says for the row's quantity: what a thermometer shows, as kitchens tell it.
pub fn predicted(fact: &Fact, constants: &Constants) -> f64 {
    let until = |mut run: Run, target: f64| {
        let (mut before, mut shown) = ((0.0, run.reading()), run.reading());
        while shown < target && run.elapsed() < 7200.0 {
            before = (run.elapsed(), shown);
            let next = run.elapsed() / 60.0 + 1.0 / 6.0;
            advance(&mut run, fact, next);
            shown = run.reading();
        }
        let part = (target - before.1) / (shown - before.1).max(1e-9);
        (before.0 + part * (run.elapsed() - before.0)) / 60.0
    };
    let target = |text: &str| text.trim_end_matches(" degC").parse::<f64>().unwrap();
    let mut run = run(fact, constants);
    if let Some(text) = fact.quantity.strip_prefix("minutes to ") {
        if let Some(text) = text.strip_suffix(" less those of the same bird whole") {
            let whole = Fact {
                cut: CutId::WholeChicken,
                ..fact.clone()
            };
            return until(run, target(text)) - until(self::run(&whole, constants), target(text));
        }
        return until(run, target(text));
    }
    if fact.quantity == "core" {
        advance(&mut run, fact, fact.at);
        return run.reading();
    }
    advance(&mut run, fact, fact.pull);
    let mut least = run.reading();
    // None of the rows tells of a tent.
    run.pull(Rest::Open);
    let mut highest = least;
    let within = fact.quantity.strip_prefix("highest reading within ");
    let within = within.and_then(|text| text.split(' ').next()?.parse::<f64>().ok());
    let end = within.map_or(fact.at.max(fact.pull), |minutes| fact.pull + minutes);
    while run.elapsed() < end * 60.0 - 1e-6 {
        run.step(10.0);
        // A minute and a half later the cook has opened the machine and reads.
        if within.is_some() && (run.elapsed() - fact.pull * 60.0 - 90.0).abs() < 5.0 {
            least = run.reading();
        }
        highest = highest.max(run.reading());
    }
    if within.is_some() || fact.quantity.starts_with("core rise") {
        highest - least
    } else {
        highest
    }
}
