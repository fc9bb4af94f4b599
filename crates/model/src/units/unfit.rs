//! Why something the cook made is not taken.

/// An error in a document that the cook made.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error("{detail}")]
pub struct Unfit {
    /// The field of it.
    pub field: &'static str,
    /// The error and the way out.
    pub detail: String,
}

impl Unfit {
    /// Of a field, with the way out.
    pub const fn new(field: &'static str, detail: String) -> Self {
        Self { field, detail }
    }

    /// Accepts words of 1 to `most` letters.
    ///
    /// # Errors
    /// Says how many letters it has.
    ///
    /// ```
    /// use ember_model::units::Unfit;
    /// assert!(Unfit::unless_word("name", "a name", "Tern", 5).is_ok());
    /// assert_eq!(Unfit::unless_word("name", "a name", "", 5).unwrap_err().field, "name");
    /// ```
    pub fn unless_word(
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
