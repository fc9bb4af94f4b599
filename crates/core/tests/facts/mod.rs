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
use ember_core::meat::{CutId, cut};
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
    text.lines().skip(1).map(fact).collect()
}

fn fact(line: &str) -> Fact {
    let cells: Vec<&str> = line.split(',').collect();
    let cut = match cells[1] {
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
        other => panic!("unknown cut {other}"),
    };
    let mut stages = Vec::new();
    let mut pull = 0.0;
    for stage in cells[9].split(';') {
        let (setting, minutes) = stage.split_once(':').unwrap();
        stages.push((pull, setting.parse().unwrap()));
        pull += minutes.parse::<f64>().unwrap();
    }
    Fact {
        id: cells[0].to_owned(),
        cut,
        pieces: cells[2].parse().unwrap(),
        mass: cells[3].parse().unwrap(),
        thickness: cells[4].parse().ok(),
        start: cells[6].parse().unwrap(),
        kind: match cells[7] {
            "lidded grill" => MachineKind::LiddedGrill,
            "oven with fan" => MachineKind::OvenStyle,
            "drawer" | "drawer with grill plate" => MachineKind::Drawer,
            other => panic!("unknown machine {other}"),
        },
        support: if cells[7].ends_with("with grill plate") {
            Support::GrillPlate
        } else {
            Support::Basket
        },
        preheated: cells[8] == "yes",
        stages,
        pull,
        flips: cells[10]
            .split(';')
            .filter(|f| !f.is_empty())
            .map(|f| f.parse().unwrap())
            .collect(),
        quantity: cells[11].to_owned(),
        at: cells[12].parse().unwrap_or(0.0),
        range: [cells[13].parse().unwrap(), cells[14].parse().unwrap()],
    }
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
    let (piece, body) = Piece::raw(entry, mass, thickness, grid, law, fact.start, entry.coat);
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

/// What the model says for the row's quantity.
pub fn predicted(fact: &Fact, constants: &Constants) -> f64 {
    let mut run = run(fact, constants);
    if let Some(target) = fact.quantity.strip_prefix("minutes to ") {
        let target: f64 = target.trim_end_matches(" degC").parse().unwrap();
        while run.piece().core() < target && run.elapsed() < 7200.0 {
            let next = run.elapsed() / 60.0 + 1.0 / 6.0;
            advance(&mut run, fact, next);
        }
        return run.elapsed() / 60.0;
    }
    if fact.quantity == "core" {
        advance(&mut run, fact, fact.at);
        return run.piece().core();
    }
    advance(&mut run, fact, fact.pull);
    let core = run.piece().core();
    // None of the rows tells of a tent.
    run.pull(Rest::Open);
    let mut highest = core;
    while run.elapsed() < fact.at.max(fact.pull) * 60.0 + 1.0 {
        run.step(10.0);
        highest = highest.max(run.piece().core());
    }
    if fact.quantity.starts_with("core rise") {
        highest - core
    } else {
        highest
    }
}
