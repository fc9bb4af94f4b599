//! A line of a recipe as cooks write it: "2 1/2 tbsp soy sauce", "3 cloves garlic", "500 g potatoes".

use super::{Item, Unit};

/// A line that is no ingredient.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
#[error(
    "\"{line}\" says no amount; write it like 2 tbsp soy sauce, 500 g potatoes or 3 cloves garlic"
)]
pub struct BadLine {
    /// What it says.
    pub line: String,
}

/// Words for units, with how many of the unit they are.
const WORDS: &[(&str, Unit, f64)] = &[
    ("g", Unit::Gram, 1.0),
    ("gram", Unit::Gram, 1.0),
    ("grams", Unit::Gram, 1.0),
    ("kg", Unit::Gram, 1000.0),
    ("oz", Unit::Ounce, 1.0),
    ("ounce", Unit::Ounce, 1.0),
    ("ounces", Unit::Ounce, 1.0),
    ("lb", Unit::Pound, 1.0),
    ("lbs", Unit::Pound, 1.0),
    ("pound", Unit::Pound, 1.0),
    ("pounds", Unit::Pound, 1.0),
    ("ml", Unit::Millilitre, 1.0),
    ("cl", Unit::Millilitre, 10.0),
    ("dl", Unit::Millilitre, 100.0),
    ("l", Unit::Millilitre, 1000.0),
    ("litre", Unit::Millilitre, 1000.0),
    ("litres", Unit::Millilitre, 1000.0),
    ("liter", Unit::Millilitre, 1000.0),
    ("liters", Unit::Millilitre, 1000.0),
    ("tsp", Unit::Teaspoon, 1.0),
    ("teaspoon", Unit::Teaspoon, 1.0),
    ("teaspoons", Unit::Teaspoon, 1.0),
    ("tbsp", Unit::Tablespoon, 1.0),
    ("tablespoon", Unit::Tablespoon, 1.0),
    ("tablespoons", Unit::Tablespoon, 1.0),
    ("cup", Unit::Cup, 1.0),
    ("cups", Unit::Cup, 1.0),
    ("pinch", Unit::Pinch, 1.0),
    ("pinches", Unit::Pinch, 1.0),
    ("clove", Unit::Piece, 1.0),
    ("cloves", Unit::Piece, 1.0),
    ("piece", Unit::Piece, 1.0),
    ("pieces", Unit::Piece, 1.0),
];

/// Reads a line.
///
/// ```
/// use ember_core::recipe::{Item, Unit, read_line};
/// let read = |line: &str| read_line(line).unwrap();
/// assert_eq!(read("2 1/2 tbsp soy sauce"), Item::new("soy sauce", 2.5, Unit::Tablespoon));
/// assert_eq!(read("1.5 kg potatoes"), Item::new("potatoes", 1500.0, Unit::Gram));
/// assert_eq!(read("3 cloves of garlic"), Item::new("garlic", 3.0, Unit::Piece));
/// assert_eq!(read("½ lemon"), Item::new("lemon", 0.5, Unit::Piece));
/// assert_eq!(read("250ml stock"), Item::new("stock", 250.0, Unit::Millilitre));
/// assert_eq!(read("a pinch of salt"), Item::new("salt", 1.0, Unit::Pinch));
/// assert!(read_line("salt to taste").unwrap_err().to_string().starts_with("\"salt to taste\" says no amount"));
/// ```
///
/// # Errors
/// [`BadLine`] where there is no amount, or nothing behind it.
pub fn read_line(line: &str) -> Result<Item, BadLine> {
    let bad = || BadLine {
        line: line.trim().to_owned(),
    };
    let mut words = apart(line).into_iter().peekable();
    let mut amount = 0.0;
    let mut told = false;
    while let Some(number) = words.peek().and_then(|word| number(word)) {
        // "a" stands for one only where it comes first.
        amount += number;
        told = true;
        words.next();
    }
    if !told
        && words
            .peek()
            .is_some_and(|word| ["a", "an", "one"].contains(&word.as_str()))
    {
        amount = 1.0;
        told = true;
        words.next();
    }
    if !told || !amount.is_finite() || amount <= 0.0 {
        return Err(bad());
    }
    let spoken = words
        .peek()
        .map(|word| word.trim_end_matches('.').to_lowercase());
    let known = WORDS
        .iter()
        .find(|(word, ..)| spoken.as_deref() == Some(*word));
    let (unit, times) = known.map_or((Unit::Piece, 1.0), |(_, unit, times)| (*unit, *times));
    if known.is_some() {
        words.next();
    }
    if words.peek().is_some_and(|word| word == "of") {
        words.next();
    }
    let what: Vec<String> = words.collect();
    if what.is_empty() {
        return Err(bad());
    }
    Ok(Item::new(&what.join(" "), amount * times, unit))
}

/// The words of a line, a number apart from the unit that hangs on it.
fn apart(line: &str) -> Vec<String> {
    let mut words = Vec::new();
    for word in line.split_whitespace() {
        let digits = |c: char| c.is_ascii_digit() || ".,/½¼¾⅓⅔".contains(c);
        match word.find(|c: char| !digits(c)) {
            Some(at)
                if at > 0
                    && word
                        .get(at..)
                        .is_some_and(|rest| rest.chars().all(char::is_alphabetic)) =>
            {
                words.extend(word.get(..at).map(str::to_owned));
                words.extend(word.get(at..).map(str::to_owned));
            }
            _ => words.push(word.to_owned()),
        }
    }
    words
}

/// A number as cooks write it: 2, 2.5, 2,5, 1/2, ½, 1½.
fn number(word: &str) -> Option<f64> {
    let part = |c: char| match c {
        '½' => Some(0.5),
        '¼' => Some(0.25),
        '¾' => Some(0.75),
        '⅓' => Some(1.0 / 3.0),
        '⅔' => Some(2.0 / 3.0),
        _ => None,
    };
    if let Some(share) = word.chars().next_back().and_then(part) {
        let whole = word.trim_end_matches(|c| part(c).is_some());
        let whole = if whole.is_empty() {
            0.0
        } else {
            whole.parse::<f64>().ok()?
        };
        return Some(whole + share);
    }
    if let Some((above, below)) = word.split_once('/') {
        let (above, below) = (above.parse::<f64>().ok()?, below.parse::<f64>().ok()?);
        return (below > 0.0).then_some(above / below);
    }
    let plain = word.replace(',', ".");
    let digits = plain.chars().all(|c| c.is_ascii_digit() || c == '.');
    digits.then(|| plain.parse().ok()).flatten()
}
