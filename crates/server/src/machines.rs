//! The machines of a kitchen.

use chrono::{DateTime, Duration, Utc};
use diesel::{Connection, PgConnection};
use ember_core::fryer::Machine;
use uuid::Uuid;

use crate::db::models::{Machine as Row, NewMachine};
use crate::db::{Slice, machines as rows};
use crate::documents::{MOST_PER_PAGE, Made, Read, Seen, Unread, again};
use crate::dto::machine::{MachineDto, OwnMachineDto, ReadMachinesDto};
use crate::error::ApiError;
use crate::growth;
use crate::storage::{self, machine};
use crate::text::MACHINE_NAME;

/// The first machines of a kitchen: as many as a page holds.
const ALL: Slice = Slice {
    offset: 0,
    limit: MOST_PER_PAGE,
};

fn profile(row: &Row) -> Result<MachineDto, Unread> {
    storage::unpack::<machine::Machine>(row.profile.clone())
        .map(MachineDto::from)
        .map_err(|why| why.row(row.id, &row.name, row.created_at))
}

fn read(row: &Row, cooks: i64) -> Result<OwnMachineDto, Unread> {
    Ok(OwnMachineDto {
        id: row.id,
        revision: row.revision,
        cooks,
        machine: profile(row)?,
    })
}

fn counted(connection: &mut PgConnection, row: &Row) -> Result<OwnMachineDto, ApiError> {
    let planned = rows::cooks_in(connection, &[row.id])?;
    Ok(read(row, planned.get(&row.id).copied().unwrap_or(0))?)
}

/// The machines of a page, with how often each was cooked in.
///
/// # Errors
/// Those of the database.
pub fn page(connection: &mut PgConnection, slice: Slice) -> Result<Read<OwnMachineDto>, ApiError> {
    let (found, total) = rows::list(connection, slice)?;
    let ids: Vec<Uuid> = found.iter().map(|row| row.id).collect();
    let planned = rows::cooks_in(connection, &ids)?;
    let cooks = |id| planned.get(&id).copied().unwrap_or(0);
    let rows = found.iter().map(|row| read(row, cooks(row.id)));
    Ok(Read::of(rows, total))
}

/// The machines that can be read.
///
/// # Errors
/// Those of the database.
pub fn readable(connection: &mut PgConnection) -> Result<Vec<MachineDto>, ApiError> {
    let (found, _) = rows::list(connection, ALL)?;
    Ok(found.iter().filter_map(|row| profile(row).ok()).collect())
}

/// A machine as it is kept: checked, in the form the core gives it.
///
/// # Errors
/// What is wrong with it.
pub fn checked(machine: &MachineDto) -> Result<MachineDto, ApiError> {
    let known = Machine::try_from(machine)?;
    // What is printed on its dial is no matter of the model's.
    Ok(MachineDto {
        dial_words: machine.dial_words.clone(),
        ..MachineDto::from(&known)
    })
}

/// A machine as a row.
///
/// # Errors
/// A fault of ours.
pub fn row(
    id: Option<Uuid>,
    machine: &MachineDto,
    now: DateTime<Utc>,
) -> Result<NewMachine, ApiError> {
    Ok(NewMachine {
        id: id.unwrap_or_else(Uuid::new_v4),
        name: machine.name.clone(),
        profile: storage::pack(machine::Machine::from(machine.clone()))?,
        created_at: now,
    })
}

/// Adds a machine under the client's identity, or under a new one.
///
/// # Errors
/// That its name or identity is taken.
pub fn add(
    connection: &mut PgConnection,
    id: Option<Uuid>,
    machine: MachineDto,
    now: DateTime<Utc>,
) -> Result<Made<OwnMachineDto>, ApiError> {
    let row = row(id, &machine, now)?;
    if rows::insert(connection, std::slice::from_ref(&row))? > 0 {
        growth::check(connection, "machines")?;
        return Ok(Made::New(OwnMachineDto {
            id: row.id,
            revision: 1,
            machine,
            cooks: 0,
        }));
    }
    let known = rows::find_any(connection, row.id)?
        .ok_or_else(|| ApiError::name_is_taken("machine", &row.name))?;
    let same = known.revision > 1 || profile(&known).is_ok_and(|one| one == machine);
    again(same, || counted(connection, &known))
}

/// Writes a machine anew, where it is still the one that was seen.
///
/// # Errors
/// That its name is taken, that somebody else changed it, or that there is none.
pub fn rewrite(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    machine: &MachineDto,
) -> Result<OwnMachineDto, ApiError> {
    let profile = storage::pack(machine::Machine::from(machine.clone()))?;
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("machine"))?;
        seen.check(known.revision, || counted(connection, &known))?;
        rows::replace(connection, id, &machine.name, &profile)
            .map_err(|error| ApiError::name_taken(error, "machine", &machine.name))?;
        let written = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("machine"))?;
        counted(connection, &written)
    })
}

/// Takes a machine out of the kitchen.
///
/// # Errors
/// That there is none, or that somebody else changed it.
pub fn take_out(
    connection: &mut PgConnection,
    id: Uuid,
    seen: &Seen,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let known = rows::find_locked(connection, id)?.ok_or(ApiError::NotFound("machine"))?;
        seen.check(known.revision, || counted(connection, &known))?;
        rows::set_deleted(connection, id, Some(now))?;
        Ok(())
    })
}

/// Brings a machine back.
///
/// # Errors
/// That there is none, or that its name is taken meanwhile.
pub fn bring_back(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    let known = rows::find_any(connection, id)?.ok_or(ApiError::NotFound("machine"))?;
    rows::set_deleted(connection, id, None)
        .map_err(|error| ApiError::name_taken(error, "machine", &known.name))?;
    Ok(())
}

/// Reads machines from a document: all of them or none. One that is there already, the same in
/// everything, is left; one of a name that is taken gets a number.
///
/// # Errors
/// Those of the database.
pub fn import(
    connection: &mut PgConnection,
    machines: Vec<MachineDto>,
    now: DateTime<Utc>,
) -> Result<ReadMachinesDto, ApiError> {
    connection.transaction(|connection| {
        let mut read = ReadMachinesDto {
            added: Vec::new(),
            known: Vec::new(),
        };
        let mut there = readable(connection)?;
        for (n, machine) in machines.into_iter().enumerate() {
            if there.contains(&machine) {
                read.known.push(machine.name);
                continue;
            }
            let machine = numbered(machine, &there);
            // In the order of the document.
            let later = Duration::microseconds(i64::try_from(n).unwrap_or(0));
            let row = row(None, &machine, now + later)?;
            if rows::insert(connection, std::slice::from_ref(&row))? == 0 {
                return Err(ApiError::name_is_taken("machine", &row.name));
            }
            growth::check(connection, "machines")?;
            there.push(machine.clone());
            read.added.push(OwnMachineDto {
                id: row.id,
                revision: 1,
                machine,
                cooks: 0,
            });
        }
        Ok(read)
    })
}

/// The machine under the first free name: its own, or with a number behind it.
fn numbered(machine: MachineDto, there: &[MachineDto]) -> MachineDto {
    let free = |name: &str| {
        let name = name.to_lowercase();
        there.iter().all(|known| known.name.to_lowercase() != name)
    };
    if free(&machine.name) {
        return machine;
    }
    let name = (2..)
        .map(|n| {
            let number = format!(" ({n})");
            let room = MACHINE_NAME.max - number.chars().count();
            let stem: String = machine.name.chars().take(room).collect();
            stem + &number
        })
        .find(|name| free(name));
    MachineDto {
        name: name.unwrap_or_default(),
        ..machine
    }
}
