//! How often somebody may try to get in: within an address and within a household, on each server process.

use std::net::IpAddr;
use std::num::NonZero;
use std::time::Duration;

use governor::{DefaultKeyedRateLimiter, Quota};

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
    /// One more from an address, for a household where one is named.
    ///
    /// # Errors
    /// That these were too many.
    pub fn one(&self, address: Option<IpAddr>, household: Option<&str>) -> Result<(), ApiError> {
        for limiter in [&self.of_address, &self.of_household] {
            if limiter.len() > MANY {
                limiter.retain_recent();
            }
        }
        let address = address.map_or_else(String::new, network);
        let counted = self.of_address.check_key(&address);
        counted.map_err(|_| ApiError::TooManyTries)?;
        if let Some(household) = household {
            let counted = self
                .of_household
                .check_key(&household.trim().to_lowercase());
            counted.map_err(|_| ApiError::TooManyTries)?;
        }
        Ok(())
    }
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
        for n in 0..10 {
            tries.one(from(n), Some("Tern Cottage")).unwrap();
        }
        assert!(tries.one(from(99), Some("tern cottage ")).is_err());
        assert!(tries.one(from(99), Some("Gull House")).is_ok());
        let one_home = |n: u16| Some(IpAddr::from([0x2001, 0xdb8, 1, 2, 0, 0, 0, n]));
        for n in 0..20 {
            tries.one(one_home(n), None).unwrap();
        }
        assert!(tries.one(one_home(77), None).is_err());
    }
}
