//! The log as tables: cooks and readings as CSV (RFC 4180, units in the header), and how far plans were off.

use diesel::PgConnection;
use ember_core::meat::cut;

use crate::cooks;
use crate::db::Slice;
use crate::db::cooks::{Page, State};
use crate::dto::cook::CookRowDto;
use crate::dto::event::HappeningDto;
use crate::dto::logbook::OffDto;
use crate::dto::words::ShadeDto;
use crate::dto::words::StepKindDto;
use crate::error::ApiError;

/// Rows read at once, and at the most.
const AT_ONCE: i64 = 100;
const MOST: i64 = 20_000;

/// Every closed cook that can be read, the latest first.
///
/// # Errors
/// Those of the database.
pub fn closed(connection: &mut PgConnection) -> Result<Vec<CookRowDto>, ApiError> {
    let mut all = Vec::new();
    let mut offset = 0;
    while offset < MOST {
        let page = Page {
            state: Some(State::Finished),
            slice: Slice {
                offset,
                limit: AT_ONCE,
            },
            ..Page::default()
        };
        let read = cooks::page(connection, &page)?;
        all.extend(read.items);
        offset += AT_ONCE;
        if offset >= read.total {
            break;
        }
    }
    Ok(all)
}

/// When the first batch came out, min from loading.
fn out(cook: &CookRowDto) -> Option<f64> {
    let is_pull = |happening: &HappeningDto| match happening {
        HappeningDto::Pulled { .. } => true,
        HappeningDto::StepDone { step } => {
            let step = cook.steps.get(*step);
            step.is_some_and(|step| step.kind == StepKindDto::Pull)
        }
        _ => false,
    };
    let mut marks = cook.marks.iter();
    marks
        .find(|mark| is_pull(&mark.happening))
        .map(|mark| mark.minute)
}

/// How far the plan of a cook was off; nothing where nobody told when it came out.
#[must_use]
pub fn off(cook: &CookRowDto) -> Option<OffDto> {
    Some(OffDto {
        cook: cook.id,
        finished_at: cook.finished_at?,
        machine: cook.request.machine.name.clone(),
        cut: cut(cook.request.cut.into()).plural.to_owned(),
        planned_s: cook.pull_at_s,
        off_s: out(cook)? * 60.0 - cook.pull_at_s,
    })
}

/// Every cook as a line.
///
/// # Errors
/// A fault of ours.
pub fn cooks_csv(cooks: &[CookRowDto]) -> Result<Vec<u8>, ApiError> {
    let header = [
        "cook",
        "name",
        "cut",
        "pieces",
        "piece_mass_g",
        "machine",
        "setting_c",
        "started_at",
        "finished_at",
        "planned_out_min",
        "actual_out_min",
        "core_target_c",
        "last_core_c",
        "crispness_1_to_5",
        "doneness_1_to_5",
        "colour_against_plan",
        "cooked_by",
        "note",
    ];
    let number = |value: Option<f64>| value.map_or_else(String::new, |value| format!("{value:.1}"));
    table(
        &header,
        cooks.iter().map(|cook| {
            let time = |at: Option<chrono::DateTime<chrono::Utc>>| {
                at.map_or_else(String::new, |at| at.to_rfc3339())
            };
            let last = cook
                .marks
                .iter()
                .rev()
                .find_map(|mark| match mark.happening {
                    HappeningDto::Reading { core_c, .. } => Some(core_c),
                    _ => None,
                });
            let outcome = cook.outcome.as_ref();
            let scale =
                |value: Option<u8>| value.map_or_else(String::new, |value| value.to_string());
            vec![
                cook.id.to_string(),
                cook.name.clone(),
                cut(cook.request.cut.into()).plural.to_owned(),
                cook.request.pieces.to_string(),
                number(Some(cook.request.piece_mass_g)),
                cook.request.machine.name.clone(),
                number(cook.request.setting_c),
                time(cook.started_at),
                time(cook.finished_at),
                number(Some(cook.pull_at_s / 60.0)),
                number(out(cook)),
                number(Some(cook.core_target_c)),
                number(last),
                scale(outcome.map(|one| one.crispness)),
                scale(outcome.map(|one| one.doneness)),
                shade(outcome.and_then(|one| one.colour)).to_owned(),
                outcome.map_or_else(String::new, |one| one.by.clone()),
                outcome.map_or_else(String::new, |one| one.note.clone()),
            ]
        }),
    )
}

/// As it stands in a table.
const fn shade(colour: Option<ShadeDto>) -> &'static str {
    match colour {
        None => "",
        Some(ShadeDto::Paler) => "paler",
        Some(ShadeDto::AsPlanned) => "as planned",
        Some(ShadeDto::Darker) => "darker",
    }
}

/// Every reading as a line.
///
/// # Errors
/// A fault of ours.
pub fn readings_csv(cooks: &[CookRowDto]) -> Result<Vec<u8>, ApiError> {
    let lines = cooks.iter().flat_map(|cook| {
        cook.marks
            .iter()
            .filter_map(move |mark| match mark.happening {
                HappeningDto::Reading {
                    core_c,
                    air_c,
                    batch,
                } => Some(vec![
                    cook.id.to_string(),
                    cook.name.clone(),
                    batch.map_or_else(String::new, |batch| batch.to_string()),
                    format!("{:.2}", mark.minute),
                    format!("{core_c:.1}"),
                    air_c.map_or_else(String::new, |air| format!("{air:.1}")),
                ]),
                _ => None,
            })
    });
    table(
        &[
            "cook",
            "name",
            "batch",
            "minute_from_loading",
            "core_c",
            "air_c",
        ],
        lines,
    )
}

fn table(header: &[&str], lines: impl Iterator<Item = Vec<String>>) -> Result<Vec<u8>, ApiError> {
    let fault = |error: csv::Error| ApiError::Fault(error.into());
    // RFC 4180: lines end with CRLF.
    let mut table = csv::WriterBuilder::new()
        .terminator(csv::Terminator::CRLF)
        .from_writer(Vec::new());
    table.write_record(header).map_err(fault)?;
    for line in lines {
        let cells = line.iter().map(|cell| harmless(cell));
        table.write_record(cells).map_err(fault)?;
    }
    table
        .into_inner()
        .map_err(|error| ApiError::Fault(error.into_error().into()))
}

/// Puts an apostrophe before each sign that a spreadsheet could read as the start of a formula (common practice): at the
/// start of the cell, and after a character that another spreadsheet reads as the end of a cell.
fn harmless(cell: &str) -> String {
    if cell.parse::<f64>().is_ok() {
        return cell.to_owned();
    }
    let mut text = String::with_capacity(cell.len() + 1);
    let mut is_start = true;
    for sign in cell.chars() {
        // Spreadsheets read the full-width forms too.
        if is_start && matches!(sign, '=' | '+' | '-' | '@' | '＝' | '＋' | '－' | '＠') {
            text.push('\'');
        }
        is_start = match sign {
            // A cell with a comma is quoted, so a comma ends no cell.
            ';' | '\t' | '\r' | '\n' | '|' => true,
            // Spreadsheets skip blanks and quotes before a formula.
            _ => is_start && (sign.is_whitespace() || matches!(sign, '"' | '\'' | '\u{FEFF}')),
        };
        text.push(sign);
    }
    text
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    #[test]
    fn a_table_is_read_again_by_its_rules() {
        let lines = vec![vec![
            "a \"b\", c".to_owned(),
            "two\nlines".to_owned(),
            "=1+1".to_owned(),
        ]];
        let table = table(&["x", "y", "z"], lines.into_iter()).unwrap();
        let text = String::from_utf8(table.clone()).unwrap();
        assert_eq!(text, "x,y,z\r\n\"a \"\"b\"\", c\",\"two\nlines\",'=1+1\r\n");
        let mut again = csv::Reader::from_reader(table.as_slice());
        let record = again.records().next().unwrap().unwrap();
        assert_eq!(record.get(0), Some("a \"b\", c"));
        assert_eq!(harmless("-2.5"), "-2.5");
    }

    #[test]
    fn no_cell_is_a_formula_wherever_it_is_opened() {
        for (cell, harmless_cell) in [
            ("=1+1", "'=1+1"),
            ("wings;=1+1", "wings;'=1+1"),
            ("\t=1+1", "\t'=1+1"),
            ("wings\t@SUM(A1)", "wings\t'@SUM(A1)"),
            ("; \"=1", "; \"'=1"),
            ("\u{FEFF}+1 2", "\u{FEFF}'+1 2"),
            ("＝1+1", "'＝1+1"),
            ("salt = 1 tsp - to taste", "salt = 1 tsp - to taste"),
        ] {
            assert_eq!(harmless(cell), harmless_cell);
        }
    }
}
