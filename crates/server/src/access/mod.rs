//! Who may in: devices of a household, each with a secret; passphrases, links that are used once, and how often
//! somebody may try.

pub mod cookie;
pub mod devices;
mod gate;
pub mod households;
pub mod links;
pub mod passphrase;
mod secret;
mod tries;

pub use gate::gate;
pub use secret::Secret;
pub use tries::Tries;

/// A device that was not there for so long has to be let in anew, days.
pub const KEPT_DAYS: i64 = 180;

/// Who is asked for what.
#[derive(Debug, Clone, Copy, Default, PartialEq, Eq)]
pub struct Access {
    /// Whether everybody has to sign in; else whoever reaches the server is at home.
    pub sign_in: bool,
    /// Whether a proxy in front says who asks and how (the last of X-Forwarded-For, X-Forwarded-Proto).
    pub trust_proxy: bool,
}
