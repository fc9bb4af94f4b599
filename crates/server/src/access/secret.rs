//! Secrets that let somebody in: random, told once, kept as their hash.

use std::fmt::Write;

use ring::digest::{SHA256, digest};
use ring::rand::{SecureRandom, SystemRandom};

use crate::error::ApiError;

/// Random bytes of a secret: more than anybody guesses.
const BYTES: usize = 24;

/// A secret, as it stands in an address or a cookie. It is never written to a log.
#[derive(Clone, PartialEq, Eq)]
pub struct Secret(String);

impl Secret {
    /// A new one.
    ///
    /// # Errors
    /// That this machine gives no random numbers.
    pub fn new() -> Result<Self, ApiError> {
        let mut bytes = [0; BYTES];
        let filled = SystemRandom::new().fill(&mut bytes);
        filled.map_err(|_| ApiError::Fault(anyhow::anyhow!("no random numbers")))?;
        Ok(Self(hex(&bytes)))
    }

    /// One that was sent.
    #[must_use]
    pub fn sent(text: &str) -> Self {
        Self(text.to_owned())
    }

    /// To be told to whom it is for.
    #[must_use]
    pub fn reveal(&self) -> &str {
        &self.0
    }

    /// What is kept of it.
    ///
    /// ```
    /// use ember_server::access::Secret;
    /// // SHA-256 of "abc": FIPS 180-4, example B.1.
    /// assert!(Secret::sent("abc").hash().starts_with("ba7816bf8f01cfea"));
    /// ```
    #[must_use]
    pub fn hash(&self) -> String {
        hex(digest(&SHA256, self.0.as_bytes()).as_ref())
    }
}

fn hex(bytes: &[u8]) -> String {
    bytes.iter().fold(String::new(), |mut text, byte| {
        // Writing to a string goes well.
        let _ = write!(text, "{byte:02x}");
        text
    })
}
