//! The words of a text, each with the number before it.

/// What a slash says between two units (it is a space by then), and hours in words.
const PHRASES: [(&str, &str); 11] = [
    ("min side", "min per side"),
    ("mins side", "mins per side"),
    ("minutes side", "minutes per side"),
    ("an hour and a half", "90 minutes"),
    ("half an hour", "30 minutes"),
    ("half hour", "30 minutes"),
    (" an hour", " 60 minutes"),
    ("min lb", "min per lb"),
    ("min kg", "min per kg"),
    ("mins lb", "mins per lb"),
    ("minutes lb", "minutes per lb"),
];
/// Fractions that are one sign.
const HALVES: [(char, &str); 5] = [
    ('½', " 1/2"),
    ('¼', " 1/4"),
    ('¾', " 3/4"),
    ('⅓', " 1/3"),
    ('⅔', " 2/3"),
];

/// A word with the number before it, if there is one.
#[derive(Debug, Clone)]
pub struct Word {
    /// Both ends of what stands before it: "20-25", "20 to 25", or twice the same.
    pub number: Option<[f64; 2]>,
    /// Without what stands around it.
    pub text: String,
    /// Whether a hyphen joins the two: "8-ounce".
    pub joined: bool,
    /// Whether a comma, a stop or the like comes after it.
    pub ends: bool,
}

/// Reads a text that is in small letters.
pub fn words(text: &str) -> Vec<Word> {
    let mut found: Vec<Word> = Vec::new();
    let mut pending: Option<[f64; 2]> = None;
    for token in spaced(text).split_whitespace() {
        let ends = token.ends_with([',', '.']);
        let token = token.trim_matches([',', '.']);
        let digits =
            token.find(|c: char| !(c.is_ascii_digit() || matches!(c, '.' | ',' | '-' | '/')));
        let (head, tail) = token.split_at(digits.unwrap_or(token.len()));
        // "1-inch".
        let joined = head.len() > 1 && head.ends_with('-');
        let head = head.trim_end_matches('-');
        match (range(head), pending) {
            (Some(number), Some([from, _]))
                if found.last().is_some_and(|last| last.text == "to") =>
            {
                found.pop();
                pending = Some([from, number[1]]);
            }
            // "2 1/2": a half belongs to what stands before it.
            (Some([add, _]), Some([whole, _])) if head.contains('/') => {
                pending = Some([whole + add; 2]);
            }
            (Some(number), waiting) => {
                if let Some(number) = waiting {
                    found.push(Word::bare(number, false));
                }
                pending = Some(number);
            }
            (None, _) => {}
        }
        // "1-inch-thick".
        let tail = match tail.split_once('-') {
            Some((unit, _)) if joined => unit,
            _ => tail,
        };
        let text = tail.trim_matches(|c: char| !c.is_alphanumeric()).to_owned();
        let is_unit_of_all = text == "degrees" || text == "deg";
        if text.is_empty() || is_unit_of_all {
            // "at 400, 20 min": nothing more belongs to it.
            match pending {
                Some(number) if ends => {
                    found.push(Word::bare(number, true));
                    pending = None;
                }
                Some(_) => {}
                None => {
                    if let Some(last) = found.last_mut() {
                        last.ends |= ends;
                    }
                }
            }
            continue;
        }
        let number = if text == "to" && pending.is_some() {
            None
        } else {
            pending.take()
        };
        found.push(Word {
            number,
            text,
            joined,
            ends,
        });
    }
    found.extend(pending.map(|number| Word::bare(number, true)));
    found
}

impl Word {
    fn bare(number: [f64; 2], ends: bool) -> Self {
        Self {
            number: Some(number),
            text: String::new(),
            joined: false,
            ends,
        }
    }
}

/// With signs as words, and nothing between but spaces.
fn spaced(text: &str) -> String {
    let mut out = String::with_capacity(text.len());
    let mut before = ' ';
    for (n, c) in text.char_indices() {
        let after = text
            .get(n + c.len_utf8()..)
            .and_then(|rest| rest.chars().next());
        let is_digit = |c: Option<char>| c.is_some_and(|c| c.is_ascii_digit());
        match c {
            '°' | 'º' | '(' | ')' | ':' | '*' | '•' => out.push(' '),
            ';' => out.push(','),
            '!' => out.push('.'),
            '–' | '—' => out.push('-'),
            '@' => out.push_str(" at "),
            // An inch.
            '"' | '”' | '″' if before.is_numeric() => out.push_str(" inch "),
            '+' => out.push_str(" plus "),
            // "200 C/180 fan", but "3/4".
            '/' if !(is_digit(Some(before)) && is_digit(after)) => out.push(' '),
            // "12 minutes.Flip", but "1.5" and "min.".
            '.' | ',' if !is_digit(after) => {
                out.push(c);
                out.push(' ');
            }
            other => out.push(other),
        }
        before = c;
    }
    for (said, meant) in PHRASES {
        out = out.replace(said, meant);
    }
    // "1½ lb" is one and a half.
    HALVES
        .iter()
        .fold(out, |text, (sign, words)| text.replace(*sign, words))
}

/// A number, or both ends of a range.
fn range(text: &str) -> Option<[f64; 2]> {
    /// More than this over something is no part of a whole: "200/180", the first counts.
    const NO_PART: f64 = 50.0;
    let one = |part: &str| -> Option<f64> {
        if let Some((above, below)) = part.split_once('/') {
            let (above, below): (f64, f64) = (above.parse().ok()?, below.parse().ok()?);
            let part = if above >= NO_PART {
                above
            } else {
                above / below
            };
            return (below > 0.0).then_some(part);
        }
        part.replace(',', ".").parse().ok()
    };
    match text.split_once('-') {
        Some((from, to)) => Some([one(from)?, one(to)?]),
        None => one(text).map(|value| [value; 2]),
    }
}
