//! What is told of a cook that is under way. Facts are always taken, whatever they are; an undo takes one
//! back, and an undo of that gives it back.

use crate::fryer::Action;
use crate::heat::Looking;
use crate::meat::Browning;
use crate::units::{Interval, Mass, Temperature};

/// What can be told.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum What {
    /// The step of the plan with this index is done.
    Done(usize),
    /// Something was done that is no step, or not then.
    Did(Action),
    /// The batch is out.
    TakenOut,
    /// It went back in: as it was, or cut in pieces.
    PutBack {
        /// In slices or opened like a book.
        cut: bool,
    },
    /// The thermometer said so of the coldest spot found.
    Reading(Temperature),
    /// A reading of a leave-in probe. All its readings are of one place.
    Probe(Temperature),
    /// Air in the machine.
    Air(Temperature),
    /// What a face looks like.
    Looks {
        /// Its colour.
        colour: Browning,
        /// Which one, by where it looks now.
        face: Looking,
    },
    /// The batch on a scale.
    Weighed(Mass),
    /// The dial was found at another setting than it should have been; now it is right.
    DialWas(Temperature),
    /// Power was gone, or a timer had stopped the machine, for so long until now.
    Off(Interval),
    /// Another temperature inside is wanted from now on.
    Aim(Temperature),
    /// It stays in for so long from now, whatever is there before.
    KeepIn(Interval),
    /// It is on the table.
    Served,
    /// The cook is over.
    Finished,
    /// What was told under this identity did not happen.
    Undone(u128),
}

/// Something told, with the time when it happened.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Told {
    /// Its identity.
    pub id: u128,
    /// When it happened, seconds since the epoch.
    pub at: f64,
    /// Which batch, from 1; absent for the one in hand.
    pub batch: Option<u32>,
    /// What.
    pub what: What,
}

/// What stands of everything that was told, in the order of the telling: without what was taken back.
///
/// ```
/// use ember_core::live::{Told, What, standing};
/// let told = |id, what| Told { id, at: id as f64, batch: None, what };
/// let taken_out = told(1, What::TakenOut);
/// let undone = told(2, What::Undone(1));
/// let undone_again = told(3, What::Undone(2));
/// assert!(standing(&[taken_out, undone]).is_empty());
/// assert_eq!(standing(&[taken_out, undone, undone_again]), [taken_out]);
/// ```
#[must_use]
pub fn standing(told: &[Told]) -> Vec<Told> {
    let undoes = |one: &Told| match one.what {
        What::Undone(other) => Some(other),
        _ => None,
    };
    let stands = stand(told, |one| one.id, undoes);
    stands.into_iter().copied().collect()
}

/// The same of anything that has an identity and may take back another.
#[must_use]
pub fn stand<T>(
    told: &[T],
    id: impl Fn(&T) -> u128,
    undoes: impl Fn(&T) -> Option<u128>,
) -> Vec<&T> {
    let mut taken_back: Vec<u128> = Vec::new();
    let mut stands: Vec<&T> = Vec::new();
    for one in told.iter().rev() {
        if taken_back.contains(&id(one)) {
            continue;
        }
        match undoes(one) {
            Some(other) => taken_back.push(other),
            None => stands.push(one),
        }
    }
    stands.reverse();
    stands
}
