//! The passphrase of a household: argon2id, long enough, and none of those that are tried first. There are no
//! rules of composition (NIST SP 800-63B, 5.1.1.2).

use std::sync::OnceLock;

use argon2::{Argon2, PasswordHasher, PasswordVerifier};

use crate::error::ApiError;

/// At least so many characters.
pub const SHORTEST: usize = 10;
/// At most so many: hashing more is work that an attacker could make us do.
pub const LONGEST: usize = 200;

/// Refuses what is too short, too long, or among the first that anybody tries.
///
/// # Errors
/// What is wrong and the way out.
pub fn checked(passphrase: &str, household: &str) -> Result<(), ApiError> {
    let invalid = |detail: String| Err(ApiError::invalid("passphrase", detail));
    let length = passphrase.chars().count();
    if !(SHORTEST..=LONGEST).contains(&length) {
        return invalid(format!(
            "the passphrase has {length} characters, not {SHORTEST} to {LONGEST}; a few words in a row are easy \
             to keep in mind"
        ));
    }
    let guessed = zxcvbn::zxcvbn(
        passphrase,
        &[household, "zesty", "ember", "kitchen", "fryer"],
    );
    if guessed.score() < zxcvbn::Score::Two {
        return invalid(
            "this passphrase is among the first that anybody would try; take one of a few words that do not belong \
             together"
                .to_owned(),
        );
    }
    Ok(())
}

/// What is kept of it.
///
/// # Errors
/// A fault of ours.
pub fn hashed(passphrase: &str) -> Result<String, ApiError> {
    let hash = Argon2::default().hash_password(passphrase.as_bytes());
    let hash: argon2::PasswordHash =
        hash.map_err(|error| ApiError::Fault(anyhow::anyhow!("{error}")))?;
    Ok(hash.to_string())
}

/// Whether it is the one. It takes as long where there is none to compare with.
#[must_use]
pub fn is(passphrase: &str, kept: Option<&str>) -> bool {
    /// Hash of a passphrase that nobody has.
    static NOBODYS: OnceLock<Option<String>> = OnceLock::new();
    let nobodys = NOBODYS.get_or_init(|| hashed("nobody's passphrase").ok());
    let hash = kept.or(nobodys.as_deref()).unwrap_or_default();
    // Longer than any is none, without the work.
    let right = passphrase.chars().count() <= LONGEST
        && Argon2::default()
            .verify_password(passphrase.as_bytes(), hash)
            .is_ok();
    right && kept.is_some()
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[test]
    fn a_passphrase_is_long_and_not_the_first_that_is_tried() {
        // From lists of passphrases that leaked most often (from memory).
        for common in [
            "1234567890",
            "qwertyuiop",
            "password123",
            "passwordpassword",
            "iloveyou123",
            "aaaaaaaaaaaa",
            "Tern Cottage",
        ] {
            assert!(checked(common, "Tern Cottage").is_err(), "{common}");
        }
        assert!(checked("nine char", "Home").is_err());
        assert!(checked(&"é".repeat(LONGEST + 1), "Home").is_err());
        for good in ["gull lantern oats", "über die Brücke", "0417 ferry 2231"] {
            assert!(checked(good, "Home").is_ok(), "{good}");
        }
    }

    #[test]
    fn a_passphrase_is_kept_as_argon2id_and_recognised() {
        let kept = hashed("gull lantern oats").unwrap();
        assert!(
            kept.starts_with("$argon2id$v=19$m=19456,t=2,p=1$"),
            "{kept}"
        );
        assert!(is("gull lantern oats", Some(&kept)));
        assert!(!is("gull lantern oat", Some(&kept)));
        assert!(!is("nobody's passphrase", None));
        assert_ne!(kept, hashed("gull lantern oats").unwrap());
    }
}
