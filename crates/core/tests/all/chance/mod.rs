//! Numbers by chance, the same in every run.

/// Deviates of a cook that nobody planned: a splitmix generator summed to a normal distribution,
/// which has nothing in common with how the band draws its members.
pub struct Chance(pub u64);

impl Chance {
    fn even(&mut self) -> f64 {
        self.0 = self.0.wrapping_add(0x9E37_79B9_7F4A_7C15);
        let mut z = self.0;
        z = (z ^ (z >> 30)).wrapping_mul(0xBF58_476D_1CE4_E5B9);
        z = (z ^ (z >> 27)).wrapping_mul(0x94D0_49BB_1331_11EB);
        ((z ^ (z >> 31)) >> 11) as f64 / (1u64 << 53) as f64
    }

    /// Sum of twelve less six: variance one.
    pub fn normal(&mut self) -> f64 {
        (0..12).map(|_| self.even()).sum::<f64>() - 6.0
    }
}
