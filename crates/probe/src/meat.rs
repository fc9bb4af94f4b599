//! The truth that the device does not know: a slab between two hot faces, computed in the simplest way, in
//! hot air with a thermostat's swing. It shares nothing with the model of the application.

use crate::dice::Dice;

/// Nodes across half of the slab.
const NODES: usize = 16;
/// Diffusivity of meat, m²/s, and its conductivity, W/mK (handbook values, from memory).
const DIFFUSIVITY: f64 = 1.35e-7;
const CONDUCTIVITY: f64 = 0.48;
/// Seconds that a sheathed tip lags behind (common practice: instant-read tips take 3-10 s).
const LAG: f64 = 8.0;
/// The surface gives off water and stays near this while it is wet, °C.
const WET: f64 = 88.0;

/// The meat with the probe in it.
pub struct Meat {
    /// °C from the middle to the face.
    across: [f64; NODES],
    /// Half of the thickness, m.
    half: f64,
    /// From the air to the face, W/m²K.
    transfer: f64,
    setting: f64,
    air: f64,
    elapsed: f64,
    swing: f64,
    /// Node at which the tip sits: never quite the middle.
    node: usize,
    tip: f64,
}

impl Meat {
    /// A piece out of the fridge, of a thickness and in a machine that only chance knows.
    pub fn new(dice: &mut Dice, setting: f64) -> Self {
        let start = 4.0 + 1.5 * dice.normal();
        Self {
            across: [start; NODES],
            half: 0.5 * (0.030 + 0.012 * dice.even()),
            transfer: 34.0 + 8.0 * dice.normal().clamp(-1.5, 1.5),
            setting: setting + 6.0 * dice.normal().clamp(-1.5, 1.5),
            air: 25.0,
            elapsed: 0.0,
            swing: 4.0 + 4.0 * dice.even(),
            node: if dice.even() < 0.5 { 1 } else { 3 },
            tip: start,
        }
    }

    /// Goes on for so many seconds.
    pub fn run(&mut self, seconds: f64) {
        let width = self.half / NODES as f64;
        // Stable for an explicit scheme.
        let step = 0.4 * width * width / DIFFUSIVITY;
        let mut left = seconds;
        while left > 1e-9 {
            let by = left.min(step);
            self.step(by, width);
            left -= by;
        }
    }

    fn step(&mut self, by: f64, width: f64) {
        self.elapsed += by;
        // Hot within some three minutes, then swinging as the thermostat switches.
        let hot = 25.0 + (self.setting - 25.0) * (1.0 - (-self.elapsed / 70.0).exp());
        self.air = hot + self.swing * (self.elapsed / 45.0 * std::f64::consts::TAU).sin();
        let before = self.across;
        let share = DIFFUSIVITY * by / (width * width);
        for (n, node) in self.across.iter_mut().enumerate() {
            let here = before.get(n).copied().unwrap_or_default();
            let inner = before.get(n.saturating_sub(1)).copied().unwrap_or(here);
            let flow_out = match before.get(n + 1) {
                Some(outer) => outer - here,
                None => {
                    // The face: what the air brings, less what drying takes.
                    let brings = self.transfer * (self.air - here);
                    let dries = 90.0 * (here - WET).max(0.0);
                    (brings - dries) * width / CONDUCTIVITY
                }
            };
            *node = here + share * (flow_out + inner - here);
        }
        let at = self.across.get(self.node).copied().unwrap_or_default();
        self.tip += (at - self.tip) * (by / LAG).min(1.0);
    }

    /// What the tip reads, °C.
    pub const fn tip(&self) -> f64 {
        self.tip
    }

    /// The air, °C.
    pub const fn air(&self) -> f64 {
        self.air
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    /// Common practice: a breast of 3-4 cm is done, 74 °C, after a quarter to half an hour at 190 °C, and
    /// its core never falls in the heat.
    #[test]
    fn it_cooks_as_a_breast_does() {
        for seed in 1..40 {
            let mut meat = Meat::new(&mut Dice::new(seed), 190.0);
            let (mut minute, mut last) = (0.0, 0.0);
            while meat.tip() < 74.0 {
                meat.run(60.0);
                minute += 1.0;
                assert!(meat.tip() >= last - 0.1, "seed {seed}, minute {minute}");
                last = meat.tip();
                assert!(minute < 60.0, "seed {seed}: {last} °C after an hour");
            }
            assert!((9.0..45.0).contains(&minute), "seed {seed}: {minute} min");
        }
    }

    #[test]
    fn the_same_seed_is_the_same_truth() {
        let read = |seed| {
            let mut meat = Meat::new(&mut Dice::new(seed), 190.0);
            meat.run(600.0);
            meat.tip()
        };
        assert_eq!(read(7).to_bits(), read(7).to_bits());
        assert!((read(7) - read(8)).abs() > 1e-9);
    }
}
