//! A limited number of places, with a limit for each household or device and a limit for all together.

use std::collections::HashMap;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};

use uuid::Uuid;

/// Gives out the places.
#[derive(Debug, Clone)]
pub struct Shares {
    most_each: usize,
    most: usize,
    held: Arc<Mutex<HashMap<Uuid, usize>>>,
}

/// The reason of a refusal.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum NoPlace {
    /// The caller holds the most that one may hold.
    OfOnesOwn,
    /// All places are taken.
    OfOthers,
}

/// A place. Dropping it frees the place.
#[derive(Debug)]
pub struct Place {
    shares: Shares,
    whose: Uuid,
}

impl Shares {
    /// With the limit for each and the limit for all.
    #[must_use]
    pub fn new(most_each: usize, most: usize) -> Self {
        Self {
            most_each,
            most,
            held: Arc::default(),
        }
    }

    /// The number of taken places.
    #[must_use]
    pub fn held(&self) -> usize {
        self.state().values().sum()
    }

    fn state(&self) -> MutexGuard<'_, HashMap<Uuid, usize>> {
        self.held.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// Takes a place for a household or a device.
    ///
    /// # Errors
    /// [`NoPlace`] with the limit that is reached.
    pub fn take(&self, whose: Uuid) -> Result<Place, NoPlace> {
        let mut held = self.state();
        if held.get(&whose).is_some_and(|own| *own >= self.most_each) {
            return Err(NoPlace::OfOnesOwn);
        }
        if held.values().sum::<usize>() >= self.most {
            return Err(NoPlace::OfOthers);
        }
        *held.entry(whose).or_default() += 1;
        Ok(Place {
            shares: self.clone(),
            whose,
        })
    }
}

impl Drop for Place {
    fn drop(&mut self) {
        let mut held = self.shares.state();
        if let Some(own) = held.get_mut(&self.whose) {
            *own -= 1;
            if *own == 0 {
                held.remove(&self.whose);
            }
        }
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[test]
    fn places_are_for_each_and_in_all() {
        let shares = Shares::new(2, 3);
        let [one, other] = [Uuid::from_u128(1), Uuid::from_u128(2)];
        let first = shares.take(one).unwrap();
        let _second = shares.take(one).unwrap();
        assert_eq!(shares.take(one).unwrap_err(), NoPlace::OfOnesOwn);
        let _third = shares.take(other).unwrap();
        assert_eq!(shares.take(other).unwrap_err(), NoPlace::OfOthers);
        drop(first);
        assert_eq!(shares.held(), 2);
        assert!(shares.take(other).is_ok());
    }
}
