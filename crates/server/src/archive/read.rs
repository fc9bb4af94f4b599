//! A household read from a file: what is there already stays as it is, what is new is added, and all of it or
//! nothing. The file is somebody's, so it is read within bounds and written nowhere but into the tables.

use crate::dto::access::Came;
use std::collections::{HashMap, HashSet};
use std::fs;
use std::io::{BufRead, BufReader, Read};

use diesel::prelude::*;
use diesel::sql_types::{Jsonb, Text as SqlText};
use ember_core::stop::Stop;
use serde_json::{Map, Value, json};
use zip::ZipArchive;

use super::check::{self, Photographs};
use super::{ABOUT, About, FORMAT, SCHEMA, TABLES, Table, VERSION};
use crate::error::ApiError;
use crate::growth;

/// The longest line, bytes: no row of ours is longer.
const LONGEST_LINE: u64 = 4 << 20;
/// The most that all files are together when they are unpacked, bytes.
const MOST_BYTES: u64 = 1 << 30;
/// The most that a file unpacks to, as a factor. Our rows pack to a tenth; photographs hardly pack.
const MOST_PACKED: u64 = 100;
/// Bytes that may be unpacked in addition to that factor.
const FEW_BYTES: u64 = 4 << 20;
/// The most lines of all files together, with all tables full.
const MOST_LINES: usize = 2_000_000;
/// Rows, and bytes of them, that are written at once.
const AT_ONCE: usize = 50;
const BYTES_AT_ONCE: usize = 4 << 20;
/// Names that are numbered are tried up to here.
const MOST_NUMBER: usize = 10_000;

type File<'a> = ZipArchive<BufReader<&'a fs::File>>;

fn refused(detail: impl Into<String>) -> ApiError {
    ApiError::invalid("archive", detail)
}

/// Reads an archive into the household of the transaction.
///
/// # Errors
/// What is wrong with the file, by the name of the file within it and the line; nothing is added then.
pub fn read(connection: &mut PgConnection, archive: &fs::File) -> Result<Vec<Came>, ApiError> {
    let packed = archive
        .metadata()
        .map_err(|error| ApiError::Fault(error.into()))?
        .len();
    let mut file = ZipArchive::new(BufReader::new(archive)).map_err(|_| {
        refused("this is no archive of a kitchen; choose a file that was saved here")
    })?;
    let most_bytes = MOST_BYTES.min(FEW_BYTES + MOST_PACKED * packed);
    let mut reading = Reading {
        version: checked(&mut file, most_bytes)?,
        most_bytes,
        ..Default::default()
    };
    let mut all = Vec::new();
    for table in &TABLES {
        let came = reading.table(connection, &mut file, table)?;
        growth::check(connection, table.name)?;
        all.push(came);
    }
    Ok(all)
}

/// Nothing but what an archive holds, by name, and of a size that is one; returns its version.
fn checked(file: &mut File, most_bytes: u64) -> Result<u32, ApiError> {
    let known: Vec<String> = TABLES
        .iter()
        .map(Table::file)
        .chain([ABOUT.to_owned(), SCHEMA.to_owned()])
        .collect();
    if let Some(stray) = file
        .file_names()
        .find(|name| !known.iter().any(|one| one == name))
    {
        let stray: String = stray.chars().filter(|c| !c.is_control()).take(60).collect();
        return Err(refused(format!(
            "it holds \"{stray}\", which no archive of a kitchen does"
        )));
    }
    let unpacked = file.decompressed_size();
    if unpacked.is_none_or(|bytes| bytes > u128::from(most_bytes)) {
        return Err(too_much());
    }
    let mut text = String::new();
    let about = file
        .by_name(ABOUT)
        .map_err(|_| refused(format!("{ABOUT} is missing in it")))?;
    let read = about.take(LONGEST_LINE).read_to_string(&mut text);
    read.map_err(|error| refused(format!("{ABOUT}: {error}")))?;
    let about: About =
        serde_json::from_str(&text).map_err(|error| refused(format!("{ABOUT}: {error}")))?;
    if about.format != FORMAT {
        return Err(refused(format!(
            "{ABOUT} does not say that it is a kitchen"
        )));
    }
    if about.version > VERSION {
        return Err(refused(format!(
            "it was made by a newer Zesty Ember (version {}, this one reads up to {VERSION}); update this one first",
            about.version
        )));
    }
    Ok(about.version)
}

fn too_much() -> ApiError {
    refused(format!(
        "unpacked it is larger than {} MB or than {MOST_PACKED} times its size, or has more than {MOST_LINES} lines, \
         which no kitchen does",
        MOST_BYTES >> 20
    ))
}

#[derive(QueryableByName)]
struct Id {
    #[diesel(sql_type = SqlText)]
    id: String,
}

/// What is known while one table after the other is read.
#[derive(Default)]
struct Reading {
    /// Of the format.
    version: u32,
    most_bytes: u64,
    bytes: u64,
    lines: usize,
    photographs: Photographs,
    /// Identities that were added, by table: what belongs to others is not.
    added: HashMap<&'static str, HashSet<String>>,
    /// Machines that are here already under another identity.
    machines: HashMap<String, Value>,
}

impl Reading {
    fn table(
        &mut self,
        connection: &mut PgConnection,
        file: &mut File,
        table: &'static Table,
    ) -> Result<Came, ApiError> {
        let name = table.file();
        let mut came = Came {
            what: table.name,
            added: 0,
            known: 0,
        };
        let Ok(of) = file.by_name(&name) else {
            if self.version < table.since {
                return Ok(came);
            }
            return Err(refused(format!("{name} is missing in it")));
        };
        let mut lines = BufReader::new(of);
        let (mut number, mut rows, mut held) = (0, Vec::new(), 0);
        loop {
            // The client has disconnected, or the time is over. The answer does not matter.
            if Stop::nobody_waits() {
                return Err(ApiError::Busy);
            }
            let mut line = Vec::new();
            let read = lines
                .by_ref()
                .take(LONGEST_LINE + 1)
                .read_until(b'\n', &mut line);
            let read = read.map_err(|error| refused(format!("{name}: {error}")))? as u64;
            self.bytes += read;
            self.lines += 1;
            // Its own word on its size is not believed.
            if read > LONGEST_LINE || self.bytes > self.most_bytes || self.lines > MOST_LINES {
                return Err(too_much());
            }
            number += 1;
            let wrong =
                |why: &dyn std::fmt::Display| refused(format!("{name}, line {number}: {why}"));
            if !line.trim_ascii().is_empty() {
                let mut row: Map<String, Value> =
                    serde_json::from_slice(&line).map_err(|error| wrong(&error))?;
                check::row(table, &mut row).map_err(|why| wrong(&why))?;
                if table.name == "photos" {
                    self.photographs.one(&row).map_err(|why| wrong(&why))?;
                }
                match self.fitted(connection, table, row)? {
                    Some(row) => {
                        held += line.len();
                        rows.push(Value::Object(row));
                    }
                    None => came.known += 1,
                }
            }
            let is_much = rows.len() >= AT_ONCE || held >= BYTES_AT_ONCE;
            if is_much || (read == 0 && !rows.is_empty()) {
                held = 0;
                let count = rows.len();
                let added = insert(connection, table, std::mem::take(&mut rows))
                    .map_err(|error| told(error, &name, number))?;
                came.added += added.len();
                came.known += count - added.len();
                self.added.entry(table.name).or_default().extend(added);
            }
            if read == 0 {
                return Ok(came);
            }
        }
    }

    /// A row as it fits into this kitchen; nothing where it is here already.
    fn fitted(
        &mut self,
        connection: &mut PgConnection,
        table: &Table,
        mut row: Map<String, Value>,
    ) -> Result<Option<Map<String, Value>>, ApiError> {
        if let Some((column, parent)) = table.of {
            let of = row.get(column).and_then(Value::as_str).unwrap_or_default();
            let is_new = self.added.get(parent).is_some_and(|ids| ids.contains(of));
            if !is_new {
                return Ok(None);
            }
        }
        if let Some(machine) = row.get("machine_id").and_then(Value::as_str)
            && let Some(here) = self.machines.get(machine)
        {
            row.insert("machine_id".to_owned(), here.clone());
        }
        if ["machines", "cards"].contains(&table.name)
            && row.get("deleted_at").is_none_or(Value::is_null)
        {
            return self.named(connection, table, row);
        }
        Ok(Some(row))
    }

    /// A machine or a card whose name may be taken: the same one under another identity is known, another one
    /// gets a number behind its name.
    fn named(
        &mut self,
        connection: &mut PgConnection,
        table: &Table,
        mut row: Map<String, Value>,
    ) -> Result<Option<Map<String, Value>>, ApiError> {
        // A blend of spices was a kind of its own, in households of earlier programs.
        if let Some(kind) = row.get_mut("kind").filter(|kind| *kind == "blend") {
            *kind = Value::from("recipe");
        }
        let document = if table.name == "machines" {
            "profile"
        } else {
            "document"
        };
        let said = |field: &str| {
            row.get(field)
                .and_then(Value::as_str)
                .unwrap_or_default()
                .to_owned()
        };
        let (id, name) = (said("id"), said("name"));
        let apart = if table.name == "machines" {
            String::new()
        } else {
            format!("{} {}", said("kind"), said("cut"))
        };
        let kinds = if table.name == "machines" {
            "''"
        } else {
            "kind || ' ' || cut"
        };
        let live = format!(
            "FROM {} WHERE household_id = current_household() AND deleted_at IS NULL AND {kinds} = $1",
            table.name
        );
        let here: Vec<Here> = diesel::sql_query(format!(
            "SELECT id::text AS id, {document} AS document {live}
                AND (lower(name) = lower($2) OR id::text = $3)"
        ))
        .bind::<SqlText, _>(&apart)
        .bind::<SqlText, _>(&name)
        .bind::<SqlText, _>(&id)
        .load(connection)?;
        if here.iter().any(|one| one.id == id) {
            return Ok(Some(row));
        }
        let Some(twin) = here.first() else {
            return Ok(Some(row));
        };
        if row.get(document) == Some(&twin.document) {
            self.machines.insert(id, json!(twin.id));
            return Ok(None);
        }
        let names: Vec<Name> = diesel::sql_query(format!("SELECT lower(name) AS name {live}"))
            .bind::<SqlText, _>(&apart)
            .load(connection)?;
        let numbered = (2..MOST_NUMBER)
            .map(|n| format!("{} ({n})", name.chars().take(70).collect::<String>()))
            .find(|name| names.iter().all(|one| one.name != name.to_lowercase()))
            .ok_or_else(|| refused("there are too many of one name"))?;
        rename(row.get_mut(document), &numbered);
        row.insert("name".to_owned(), json!(numbered));
        Ok(Some(row))
    }
}

#[derive(QueryableByName)]
struct Name {
    #[diesel(sql_type = SqlText)]
    name: String,
}

#[derive(QueryableByName)]
struct Here {
    #[diesel(sql_type = SqlText)]
    id: String,
    #[diesel(sql_type = Jsonb)]
    document: Value,
}

/// The name stands in the document too.
fn rename(document: Option<&mut Value>, name: &str) {
    if let Some(held) = document.and_then(|document| document.pointer_mut("/holds/name")) {
        *held = json!(name);
    }
}

/// Writes rows that are not there yet; the identities of those that were new.
fn insert(
    connection: &mut PgConnection,
    table: &Table,
    rows: Vec<Value>,
) -> QueryResult<Vec<String>> {
    let name = table.name;
    let (columns, read) = (table.listed(""), table.listed("line."));
    let key = table.columns().next().map_or("", |column| column.name);
    let added: Vec<Id> = diesel::sql_query(format!(
        "INSERT INTO {name} (household_id, {columns})
         SELECT current_household(), {read} FROM jsonb_populate_recordset(NULL::{name}, $1) AS line
         ON CONFLICT DO NOTHING RETURNING {key}::text AS id"
    ))
    .bind::<Jsonb, _>(Value::Array(rows))
    .load(connection)?;
    Ok(added.into_iter().map(|row| row.id).collect())
}

/// What the database does not take of a file is the file's fault, unless the database is in trouble itself.
fn told(error: diesel::result::Error, name: &str, line: usize) -> ApiError {
    let why = match &error {
        diesel::result::Error::DatabaseError(_, about) => about.message().to_owned(),
        other => other.to_string(),
    };
    match ApiError::from(error) {
        ApiError::Fault(_) => refused(format!(
            "{name}, up to line {line}: {why}; nothing was added"
        )),
        trouble => trouble,
    }
}
