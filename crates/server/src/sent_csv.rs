//! Readings of a thermometer as CSV (RFC 4180), the scale in the header.

use crate::dto::thermometer::{ReadingsDto, SentReadingDto, SentUnitDto};
use crate::error::ApiError;

/// Reads it.
///
/// # Errors
/// A header or a line that is not understood, with its number.
pub fn read(text: &[u8]) -> Result<ReadingsDto, ApiError> {
    let mut lines = csv::ReaderBuilder::new()
        .trim(csv::Trim::All)
        .from_reader(text);
    let header = lines
        .headers()
        .map_err(|error| malformed(1, &error))?
        .clone();
    let column = |name: &str| header.iter().position(|one| one.eq_ignore_ascii_case(name));
    let celsius = column("celsius").map(|at| (SentUnitDto::Celsius, at));
    let fahrenheit = column("fahrenheit").map(|at| (SentUnitDto::Fahrenheit, at));
    let (Some(channel), Some(at), Some((unit, value))) =
        (column("channel"), column("at"), celsius.or(fahrenheit))
    else {
        return Err(malformed(
            1,
            &"the header is channel,at,celsius or channel,at,fahrenheit",
        ));
    };
    let readings = lines
        .records()
        .enumerate()
        .map(|(n, record)| {
            let line = n + 2;
            let record = record.map_err(|error| malformed(line, &error))?;
            let cell = |at: usize| record.get(at).unwrap_or_default();
            Ok(SentReadingDto {
                channel: cell(channel)
                    .parse()
                    .map_err(|_| malformed(line, &"channel is no number"))?,
                at: cell(at)
                    .parse()
                    .map_err(|_| malformed(line, &"at is no time like 2026-11-26T18:04:00Z"))?,
                value: cell(value)
                    .parse()
                    .map_err(|_| malformed(line, &"the value is no number"))?,
            })
        })
        .collect::<Result<_, ApiError>>()?;
    Ok(ReadingsDto {
        unit,
        sent_at: None,
        readings,
    })
}

fn malformed(line: usize, why: &dyn std::fmt::Display) -> ApiError {
    ApiError::Malformed(format!("line {line}: {why}"))
}

#[cfg(test)]
#[allow(clippy::unwrap_used, clippy::indexing_slicing)]
mod tests {
    use super::*;

    #[test]
    fn columns_are_found_by_their_names() {
        let text = "at, Channel ,fahrenheit\r\n2026-11-26T18:04:00Z,2,\"131.5\"\r\n";
        let sent = read(text.as_bytes()).unwrap();
        assert_eq!(sent.unit, SentUnitDto::Fahrenheit);
        assert_eq!(
            (sent.readings[0].channel, sent.readings[0].value),
            (2, 131.5)
        );
    }

    #[test]
    fn what_is_wrong_is_told_by_its_line() {
        let wrong = |text: &str| read(text.as_bytes()).unwrap_err().to_string();
        assert!(wrong("a,b\n1,2\n").starts_with("line 1: the header is"));
        let line = wrong("channel,at,celsius\n1,2026-11-26T18:04:00Z,50\n1,yesterday,50\n");
        assert!(line.starts_with("line 3: at is no time"), "{line}");
    }
}
