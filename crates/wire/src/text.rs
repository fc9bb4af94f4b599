//! Text from outside, checked once, where it comes in: one line of a bounded number of characters
//! without control characters. Notes may have several lines.

use serde_json::Value;

use crate::error::ApiError;

/// How long a text may be, in characters.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub struct Limit {
    /// At least, blanks around it not counted.
    pub min: usize,
    /// At most.
    pub max: usize,
}

/// Name of a cook or a supper.
pub const NAME: Limit = Limit { min: 1, max: 80 };
/// Who cooked.
pub const COOK: Limit = Limit { min: 0, max: 60 };
/// Name of a machine.
pub const MACHINE_NAME: Limit = Limit { min: 1, max: 60 };
/// A word on a dial.
pub const DIAL_WORD: Limit = Limit { min: 1, max: 20 };
/// What is typed for a quantity.
pub const QUANTITY: Limit = Limit { min: 0, max: 40 };
/// Key of a task of a supper.
pub const TASK: Limit = Limit { min: 1, max: 140 };
/// Identity of a dish within its supper.
pub const IDENTITY: Limit = Limit { min: 1, max: 40 };
/// Words that are looked for.
pub const SEARCH: Limit = Limit { min: 0, max: 100 };
/// A note.
pub const NOTE: Limit = Limit { min: 0, max: 2000 };

/// A recipe as text, or a page that holds one.
pub const RECIPE: Limit = Limit {
    min: 0,
    max: 200_000,
};

/// Fields that may have several lines.
const WITH_LINES: [&str; 3] = ["note", "notes", "text"];

/// Fields that name something, so that a reader must see something of them.
const NAMES: [&str; 6] = ["name", "what", "word", "piece", "device", "household"];

/// A name without blanks around it.
///
/// # Errors
/// What is wrong with it and the way out.
pub fn named<'a>(
    field: &'static str,
    text: &'a str,
    Limit { min, max }: Limit,
) -> Result<&'a str, ApiError> {
    let (text, limit) = (text.trim(), Limit { min, max });
    if text.chars().count() < min || (min > 0 && !text.chars().any(is_seen)) {
        return Err(ApiError::invalid(
            field,
            format!("this needs a name of {min} to {max} letters that can be seen"),
        ));
    }
    fits(field, text, limit)?;
    one_line(field, text)?;
    Ok(text)
}

/// Refuses a text that is too long.
///
/// # Errors
/// How long it may be.
pub fn fits(field: &'static str, text: &str, Limit { max, .. }: Limit) -> Result<(), ApiError> {
    if text.chars().count() > max {
        return Err(ApiError::invalid(
            field,
            format!("this is longer than {max} letters; make it shorter"),
        ));
    }
    Ok(())
}

/// Refuses control characters in a text of one line.
///
/// # Errors
/// Which character it holds.
pub fn one_line(field: &str, text: &str) -> Result<(), ApiError> {
    checked(field, text, false)
}

fn checked(field: &str, text: &str, lines: bool) -> Result<(), ApiError> {
    let forbidden = |c: &char| (c.is_control() && !(lines && *c == '\n')) || turns_around(*c);
    match text.chars().find(forbidden) {
        None => Ok(()),
        Some(found) => Err(ApiError::invalid(
            field.to_owned(),
            format!(
                "{field} holds the control character U+{:04X}; take it out",
                u32::from(found)
            ),
        )),
    }
}

/// Whether a character reverses the direction of the text after it (Unicode Standard Annex 9). With it a name can look
/// like another name.
const fn turns_around(c: char) -> bool {
    matches!(c, '\u{202A}'..='\u{202E}' | '\u{2066}'..='\u{2069}')
}

/// Whether a character is visible: a letter, a digit, a sign, a picture. Blanks, combining marks, fillers and joiners are
/// not (Unicode's Default_Ignorable_Code_Point and White_Space, from memory).
fn is_seen(c: char) -> bool {
    let is_ignorable = matches!(c,
        '\u{00AD}' | '\u{034F}' | '\u{061C}' | '\u{115F}'..='\u{1160}' | '\u{17B4}'..='\u{17B5}'
        | '\u{180B}'..='\u{180F}' | '\u{200B}'..='\u{200F}' | '\u{2028}'..='\u{202E}' | '\u{2060}'..='\u{206F}'
        | '\u{2800}' | '\u{3164}' | '\u{FE00}'..='\u{FE0F}' | '\u{FEFF}' | '\u{FFA0}' | '\u{FFF0}'..='\u{FFFB}'
        | '\u{1BCA0}'..='\u{1BCA3}' | '\u{1D173}'..='\u{1D17A}' | '\u{E0000}'..='\u{E0FFF}');
    let is_mark = matches!(c,
        '\u{0300}'..='\u{036F}' | '\u{1AB0}'..='\u{1AFF}' | '\u{1DC0}'..='\u{1DFF}' | '\u{20D0}'..='\u{20FF}'
        | '\u{FE20}'..='\u{FE2F}');
    // Characters for private use have no agreed form.
    let is_private = matches!(c, '\u{E000}'..='\u{F8FF}' | '\u{F0000}'..='\u{10FFFF}');
    !(c.is_whitespace() || c.is_control() || is_ignorable || is_mark || is_private)
}

/// Refuses control characters anywhere in what was sent.
///
/// # Errors
/// The field, and which character it holds.
pub fn all(sent: &Value) -> Result<(), ApiError> {
    within("body", sent)
}

/// The same in one field.
///
/// # Errors
/// The field, and which character it holds.
pub fn within(field: &str, sent: &Value) -> Result<(), ApiError> {
    match sent {
        Value::String(text) => {
            checked(field, text, WITH_LINES.contains(&field))?;
            let is_blank = text.trim().is_empty();
            let is_unseen = NAMES.contains(&field) && !is_blank && !text.chars().any(is_seen);
            if is_unseen {
                let detail = "this needs a name with a letter that can be seen";
                return Err(ApiError::invalid(field.to_owned(), detail));
            }
            Ok(())
        }
        Value::Array(parts) => parts.iter().try_for_each(|part| within(field, part)),
        Value::Object(fields) => fields.iter().try_for_each(|(name, part)| {
            one_line("body", name)?;
            within(name, part)
        }),
        Value::Null | Value::Bool(_) | Value::Number(_) => Ok(()),
    }
}
