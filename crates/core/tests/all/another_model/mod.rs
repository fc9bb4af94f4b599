//! Cooks of a model that was written independently of ours (`data/synthetic-cooks.csv`, the project's own).
#![allow(dead_code, clippy::unwrap_used, clippy::indexing_slicing)]

use std::collections::HashMap;

use ember_core::doneness::Region;
use ember_core::fryer::{Action, PRESETS, Which};
use ember_core::meat::CutId;
use ember_core::plan::{Outside, PlannedAction, PreheatRule, Request, TurnRule};
use ember_core::units::{Mass, Temperature};

use crate::kitchen::Kitchen;

/// One of them.
pub struct Cook {
    pub cut: String,
    /// What was planned, for all cooks that were planned alike.
    pub key: String,
    /// Minutes and what was read, °C.
    pub readings: Vec<(f64, f64)>,
    /// When the coldest spot really got there.
    pub minutes: f64,
    /// How thick its pieces were, mm.
    pub thickness: f64,
    /// Its machine: the logarithm of its heat against its kind, and how much hotter than its dial, K.
    pub machine: [f64; 2],
}

/// Planned as the cook would have planned it: thickness and start not known.
fn planned(cells: &[&str]) -> Kitchen {
    let number = |n: usize| cells[n].parse::<f64>().unwrap();
    let id = match cells[1] {
        "bone_in_thigh" => CutId::BoneInThigh,
        "boneless_breast" => CutId::BonelessBreast,
        "pork_belly_slab" => CutId::PorkBellySlab,
        "pork_chop" => CutId::PorkChop,
        _ => CutId::PorkLoinRoast,
    };
    let mut request = Request::usual(id, PRESETS[1].machine());
    request.pieces = number(2) as u32;
    request.mass = Mass::from_grams(number(3));
    request.setting = Some(Temperature::from_celsius(number(4)));
    request.outside = Some(Outside::AsItComes);
    request.target = Temperature::from_celsius(number(6));
    request.out_at = Some(request.target);
    // Nothing of a guidance that would ask for more than the goal.
    request.region = Region::Canada;
    request.below_floor_acknowledged = true;
    request.turn = TurnRule::Never;
    request.preheat = PreheatRule::Never;
    if let Ok(turn) = cells[5].parse() {
        request.actions = vec![PlannedAction::at(turn, Action::Turn(Which::All))];
    }
    Kitchen::of(request)
}

/// All of them, and how each kind was planned.
pub fn cooks() -> (HashMap<String, Kitchen>, Vec<Cook>) {
    let mut known = HashMap::new();
    let cooks = include_str!("../data/synthetic-cooks.csv")
        .lines()
        .skip(1)
        .map(|line| {
            let cells: Vec<&str> = line.split(',').collect();
            let key = cells[1..7].join(",");
            known.entry(key.clone()).or_insert_with(|| planned(&cells));
            let readings = cells[7].split(';').map(|reading| {
                let (minute, core) = reading.split_once(':').unwrap();
                (minute.parse().unwrap(), core.parse().unwrap())
            });
            Cook {
                cut: cells[1].to_owned(),
                key,
                readings: readings.collect(),
                minutes: cells[8].parse().unwrap(),
                thickness: cells[9].parse().unwrap(),
                machine: [
                    cells[11].parse::<f64>().unwrap().ln(),
                    cells[12].parse().unwrap(),
                ],
            }
        })
        .collect();
    (known, cooks)
}

pub fn median(mut values: Vec<f64>) -> f64 {
    values.sort_by(f64::total_cmp);
    let middle = values.len() / 2;
    f64::midpoint(values[middle], values[(values.len() - 1) / 2])
}
