//! Places that are handed out: so many for each household or device, and so many in all.

use std::collections::HashMap;
use std::sync::{Arc, Mutex, MutexGuard, PoisonError};

use uuid::Uuid;

/// Hands out places.
#[derive(Debug, Clone)]
pub struct Shares {
    most_each: usize,
    most: usize,
    held: Arc<Mutex<HashMap<Uuid, usize>>>,
}

/// Why there is no place.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum NoPlace {
    /// Whoever asks holds as many as one may.
    OfOnesOwn,
    /// Others hold all there are.
    OfOthers,
}

/// A place; free again when it is dropped.
#[derive(Debug)]
pub struct Place {
    shares: Shares,
    whose: Uuid,
}

impl Shares {
    /// So many places for each, and so many in all.
    #[must_use]
    pub fn new(most_each: usize, most: usize) -> Self {
        Self {
            most_each,
            most,
            held: Arc::default(),
        }
    }

    /// How many are held.
    #[must_use]
    pub fn held(&self) -> usize {
        self.state().values().sum()
    }

    fn state(&self) -> MutexGuard<'_, HashMap<Uuid, usize>> {
        self.held.lock().unwrap_or_else(PoisonError::into_inner)
    }

    /// A place for a household or a device.
    ///
    /// # Errors
    /// [`NoPlace`] where there is none.
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
