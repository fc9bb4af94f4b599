//! A household written to a file.

use std::fs;
use std::io::{BufWriter, Seek, Write};

use chrono::{DateTime, Utc};
use diesel::connection::SimpleConnection;
use diesel::prelude::*;
use diesel::sql_types::Jsonb;
use ember_core::stop::Stop;
use serde_json::Value;
use zip::ZipWriter;
use zip::write::SimpleFileOptions;

use super::{ABOUT, About, FORMAT, SCHEMA, TABLES, Table, VERSION, schema};
use crate::db::households;
use crate::error::ApiError;

/// Rows that are held at once; of photographs, each up to 2 MB as text, fewer.
const AT_ONCE: usize = 100;
const PHOTOS_AT_ONCE: usize = 4;

#[derive(QueryableByName)]
struct Row {
    #[diesel(sql_type = Jsonb)]
    row: Value,
}

/// Writes the household of the transaction to a file without a name, which is removed after its last use.
///
/// # Errors
/// Those of the database.
pub fn write(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<fs::File, ApiError> {
    let fault = |error: std::io::Error| ApiError::Fault(error.into());
    let about = About {
        format: FORMAT.to_owned(),
        version: VERSION,
        household: households::own(connection)?.name,
        made_at: now,
    };
    let mut file = ZipWriter::new(BufWriter::new(tempfile::tempfile().map_err(fault)?));
    begin(&mut file, ABOUT)?;
    put(&mut file, &serde_json::to_vec_pretty(&about)?)?;
    begin(&mut file, SCHEMA)?;
    put(&mut file, &serde_json::to_vec_pretty(&schema())?)?;
    for table in &TABLES {
        begin(&mut file, &table.file())?;
        rows(connection, table, &mut file)?;
    }
    let file = file
        .finish()
        .map_err(|error| ApiError::Fault(error.into()))?;
    let mut file = file
        .into_inner()
        .map_err(|error| fault(error.into_error()))?;
    file.rewind().map_err(fault)?;
    Ok(file)
}

type File = ZipWriter<BufWriter<fs::File>>;

fn begin(file: &mut File, name: &str) -> Result<(), ApiError> {
    let begun = file.start_file(name, SimpleFileOptions::default());
    begun.map_err(|error| ApiError::Fault(error.into()))
}

fn put(file: &mut File, text: &[u8]) -> Result<(), ApiError> {
    file.write_all(text)
        .map_err(|error| ApiError::Fault(error.into()))
}

/// Through a cursor, so that a long log is never held as a whole.
fn rows(connection: &mut PgConnection, table: &Table, file: &mut File) -> Result<(), ApiError> {
    let Table { name, order, .. } = table;
    let columns = table.listed("");
    let at_once = if *name == "photos" {
        PHOTOS_AT_ONCE
    } else {
        AT_ONCE
    };
    connection.batch_execute(&format!(
        "DECLARE leaving NO SCROLL CURSOR FOR
         SELECT to_jsonb(line) AS row FROM (
             SELECT {columns} FROM {name} WHERE household_id = current_household() ORDER BY {order}
         ) AS line"
    ))?;
    loop {
        // The client has disconnected, or the time is over. The answer does not matter.
        if Stop::nobody_waits() {
            return Err(ApiError::Busy);
        }
        let fetched: Vec<Row> =
            diesel::sql_query(format!("FETCH {at_once} FROM leaving")).load(connection)?;
        for Row { row } in &fetched {
            put(file, &serde_json::to_vec(row)?)?;
            put(file, b"\n")?;
        }
        if fetched.len() < at_once {
            break;
        }
    }
    connection.batch_execute("CLOSE leaving")?;
    Ok(())
}
