//! What is answered of the batch in hand.

use super::safe::Safe;
use crate::meat::Browning;
use crate::plan::Decides;
use crate::units::{Interval, Temperature};

/// A value with where eight cooks in ten are.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Likely<T> {
    /// Most likely.
    pub value: T,
    /// One cook in ten is below or earlier.
    pub low: T,
    /// One in ten is above or later.
    pub high: T,
}

/// A reading that does not go with the others and with the plan.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Doubt {
    /// Too hot to be the middle: fat, bone, the metal, or near a face.
    High,
    /// Too cold: it may be the coldest piece, and holds the pull until it was read again.
    Low,
}

/// A reading beside what was expected.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Read {
    /// What it was told under.
    pub id: u128,
    /// When, seconds since the epoch.
    pub at: f64,
    /// What it was, the thermometer's own error taken off.
    pub core: Temperature,
    /// What was expected by all the others.
    pub expected: Option<Temperature>,
}

/// What readings to come would be answered with, for a page without a server.
#[derive(Debug, Clone, PartialEq)]
pub struct Foretold {
    /// When they are taken, seconds since the epoch, rising.
    pub at: Vec<f64>,
    /// What they say, rising.
    pub core: Vec<Temperature>,
    /// For each time one row: for each core how much longer it stays in, s; nothing where that is not known.
    pub more: Vec<Vec<Option<f64>>>,
}

/// What is estimated. Times are seconds since the epoch.
#[derive(Debug, Clone, PartialEq)]
pub struct Estimate {
    /// Which batch, from 1.
    pub batch: usize,
    /// The moment it is made for: the latest thing that happened.
    pub at: f64,
    /// Coldest spot now.
    pub core: Likely<Temperature>,
    /// The last reading of it.
    pub reading: Option<Read>,
    /// When the inside is there; nothing where it never is at this setting, or when it is out.
    pub inside: Option<Likely<f64>>,
    /// When the outside is, where it is waited for.
    pub outside: Option<f64>,
    /// When it comes out; nothing where it never is ready, or when it is out.
    pub pull: Option<f64>,
    /// Which goal decides that.
    pub decides: Decides,
    /// Coldest spot then; now, where it is out.
    pub at_pull: Temperature,
    /// The highest it gets in the rest, and when.
    pub peak: Likely<Temperature>,
    /// See [`Self::peak`].
    pub peak_at: f64,
    /// Colour of the faces that look up and down now.
    pub colours: [Browning; 2],
    /// The same when it comes out.
    pub colours_then: [Browning; 2],
    /// Sugar of a sauce that is on will burn before it comes out.
    pub burns: bool,
    /// Coldest spot from loading until it comes out, or until now: seconds since the epoch with °C.
    pub path: Vec<(f64, f64)>,
    /// Readings by their identity that do not fit.
    pub doubted: Vec<(u128, Doubt)>,
    /// How long it goes back in to be done, where it is out too early.
    pub back_in: Option<Interval>,
    /// Whether it may be served.
    pub safe: Safe,
    /// The unknowns, in standard deviations to the slow side, in the order of [`crate::plan::Unknown`].
    pub unknowns: Vec<f64>,
    /// What readings to come would say, where they were asked for and it is in the machine.
    pub foretold: Option<Foretold>,
    /// How much longer the batch takes than assumed: what the ones after it will take as well.
    pub longer: f64,
}

impl<T: Copy> Likely<T> {
    /// The same of something that goes with it.
    pub fn map<U>(self, of: impl Fn(T) -> U) -> Likely<U> {
        Likely {
            value: of(self.value),
            low: of(self.low),
            high: of(self.high),
        }
    }
}
