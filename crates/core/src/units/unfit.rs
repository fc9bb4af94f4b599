//! Why something the cook made is not taken.

/// What does not fit in something the cook made.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("{detail}")]
pub struct Unfit {
    /// The field of it.
    pub field: &'static str,
    /// What is wrong, and what would be right.
    pub detail: String,
}

impl Unfit {
    pub(crate) const fn new(field: &'static str, detail: String) -> Self {
        Self { field, detail }
    }

    /// Accepts words of 1 to so many letters.
    pub(crate) fn unless_word(
        field: &'static str,
        what: &str,
        word: &str,
        most: usize,
    ) -> Result<(), Self> {
        let letters = word.trim().chars().count();
        if (1..=most).contains(&letters) {
            return Ok(());
        }
        let detail = format!("{what} has 1 to {most} letters, this one {letters}");
        Err(Self::new(field, detail))
    }
}
