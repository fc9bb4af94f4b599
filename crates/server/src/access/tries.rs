//! How often somebody may try to get in: within an address and within a household, on each server process.

use std::net::IpAddr;
use std::num::NonZero;
use std::time::Duration;

use governor::{DefaultKeyedRateLimiter, Quota};
use uuid::Uuid;

use crate::error::ApiError;

/// Keys that are remembered before those that have been quiet are forgotten.
const MANY: usize = 10_000;

/// Counts tries.
pub struct Tries {
    of_address: DefaultKeyedRateLimiter<String>,
    of_household: DefaultKeyedRateLimiter<String>,
}

/// So many at once, and one more after every so many seconds.
fn quota(burst: u32, seconds: u64) -> Quota {
    let burst = NonZero::new(burst).unwrap_or(NonZero::<u32>::MIN);
    Quota::with_period(Duration::from_secs(seconds))
        .unwrap_or_else(|| Quota::per_minute(burst))
        .allow_burst(burst)
}

impl Default for Tries {
    fn default() -> Self {
        Self {
            of_address: DefaultKeyedRateLimiter::keyed(quota(20, 6)),
            of_household: DefaultKeyedRateLimiter::keyed(quota(10, 30)),
        }
    }
}

impl Tries {
    /// Counts a try from an address.
    ///
    /// # Errors
    /// Too many tries.
    pub fn from(&self, address: Option<IpAddr>) -> Result<(), ApiError> {
        count(&self.of_address, address.map_or_else(String::new, network))
    }

    /// Counts a try at a household by its identity. A name without a household is counted by its spelling in the
    /// database, so the answer does not reveal whether the household exists.
    ///
    /// # Errors
    /// Too many tries.
    pub fn at(&self, household: Option<Uuid>, name: &str) -> Result<(), ApiError> {
        let key = household.map_or_else(|| name.to_owned(), |id| id.to_string());
        count(&self.of_household, key)
    }
}

fn count(limiter: &DefaultKeyedRateLimiter<String>, key: String) -> Result<(), ApiError> {
    if limiter.len() > MANY {
        limiter.retain_recent();
    }
    limiter.check_key(&key).map_err(|_| ApiError::TooManyTries)
}

/// A home has one address of version 4, and of version 6 a whole /64.
fn network(address: IpAddr) -> String {
    match address.to_canonical() {
        IpAddr::V4(address) => address.to_string(),
        IpAddr::V6(address) => {
            let [a, b, c, d, ..] = address.segments();
            format!("{a:x}:{b:x}:{c:x}:{d:x}")
        }
    }
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[test]
    fn tries_are_counted_by_address_and_by_household() {
        let tries = Tries::default();
        let from = |n: u8| Some(IpAddr::from([192, 0, 2, n]));
        let [one, other] = [1, 2].map(|n| Some(Uuid::from_u128(n)));
        for n in 0..10 {
            tries.at(one, &format!("tern cottage {n}")).unwrap();
            tries.at(None, "nobody").unwrap();
        }
        assert!(tries.at(one, "tern cottage").is_err());
        assert!(tries.at(None, "nobody").is_err());
        assert!(tries.at(other, "gull house").is_ok());
        let one_home = |n: u16| Some(IpAddr::from([0x2001, 0xdb8, 1, 2, 0, 0, 0, n]));
        for n in 0..20 {
            tries.from(one_home(n)).unwrap();
        }
        assert!(tries.from(one_home(77)).is_err());
        assert!(tries.from(from(9)).is_ok());
    }
}
