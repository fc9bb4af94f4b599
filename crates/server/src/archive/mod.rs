//! A household as one file, out and in: a zip with `kitchen.json`, which says what it is, a file of JSON lines for
//! each table, and `schema.json`, which describes a line of each. Documents are as they are stored, with their
//! version, so that what cannot be shown goes along too.

mod check;
mod read;
mod schema;
mod write;

use serde::{Deserialize, Serialize};

pub use read::read;
pub use schema::schema;
pub use write::write;

/// What `kitchen.json` calls the format.
pub const FORMAT: &str = "zesty-ember-household";
/// Its version; a newer one is not read.
pub const VERSION: u32 = 2;
/// The file that says what it is.
const ABOUT: &str = "kitchen.json";
/// The file that describes the others.
const SCHEMA: &str = "schema.json";

/// `kitchen.json`.
#[derive(Debug, Clone, PartialEq, Eq, Serialize, Deserialize)]
struct About {
    format: String,
    version: u32,
    household: String,
    made_at: chrono::DateTime<chrono::Utc>,
}

/// A table as a file.
struct Table {
    /// Also the name of the file, with `.jsonl` behind it.
    name: &'static str,
    /// Columns as `name:kind`, with a question mark behind those that may be absent.
    columns: &'static str,
    /// In which order rows are written.
    order: &'static str,
    /// The column that names the row of an earlier table that this one belongs to, and that table.
    of: Option<(&'static str, &'static str)>,
    /// The version of the format since which it is there: earlier files have none.
    since: u32,
}

/// A column.
struct Column {
    name: &'static str,
    kind: &'static str,
    may_be_absent: bool,
}

const BY_AGE: &str = "created_at, id";

/// All of them, each after those it points to.
const TABLES: [Table; 12] = [
    Table {
        name: "settings",
        columns: "key:text document:document revision:whole changed_at:time",
        order: "key",
        of: None,
        since: 1,
    },
    Table {
        name: "machines",
        columns: "id:id name:text profile:document created_at:time revision:whole deleted_at:time?",
        order: BY_AGE,
        of: None,
        since: 1,
    },
    Table {
        name: "cards",
        columns: "id:id kind:text name:text cut:text document:document created_at:time revision:whole \
                  deleted_at:time?",
        order: BY_AGE,
        of: None,
        since: 1,
    },
    Table {
        name: "suppers",
        columns: "id:id name:text document:document scheduled:document summary:document? created_at:time \
                  changed_at:time revision:whole deleted_at:time?",
        order: BY_AGE,
        of: None,
        since: 1,
    },
    Table {
        name: "supper_events",
        columns: "id:id supper_id:id at:time told:document before:document?",
        order: "seq",
        of: Some(("supper_id", "suppers")),
        since: 1,
    },
    Table {
        name: "cooks",
        columns: "id:id name:text cut:text request:document plan:document summary:document? \
                  model_version:text eat_at:time? created_at:time started_at:time? finished_at:time? \
                  deleted_at:time? note:text revision:whole machine_id:id? supper_id:id? dish:text? \
                  left_out_at:time?",
        order: BY_AGE,
        of: None,
        since: 1,
    },
    Table {
        name: "events",
        columns: "id:id cook_id:id at:time happening:document",
        order: "seq",
        of: Some(("cook_id", "cooks")),
        since: 1,
    },
    Table {
        name: "photos",
        columns: "id:id cook_id:id kind:text bytes:bytes created_at:time deleted_at:time?",
        order: BY_AGE,
        of: Some(("cook_id", "cooks")),
        since: 2,
    },
    Table {
        name: "thermometers",
        columns: "id:id name:text created_at:time",
        order: BY_AGE,
        of: None,
        since: 1,
    },
    Table {
        name: "channels",
        columns: "thermometer_id:id channel:whole kind:text cook_id:id? batch:whole? piece:text?",
        order: "thermometer_id, channel",
        of: Some(("thermometer_id", "thermometers")),
        since: 1,
    },
    Table {
        name: "probe_readings",
        columns: "thermometer_id:id channel:whole device_at:time at:time celsius:number kind:text \
                  cook_id:id? batch:whole?",
        order: "thermometer_id, channel, device_at",
        of: Some(("thermometer_id", "thermometers")),
        since: 1,
    },
    Table {
        name: "shared",
        columns: "id:id sentence:document created_at:time",
        order: BY_AGE,
        of: None,
        since: 1,
    },
];

impl Table {
    fn columns(&self) -> impl Iterator<Item = Column> {
        self.columns.split_whitespace().map(|one| {
            let (name, kind) = one.split_once(':').unwrap_or((one, "text"));
            Column {
                name,
                kind: kind.trim_end_matches('?'),
                may_be_absent: kind.ends_with('?'),
            }
        })
    }

    /// Its columns in SQL, each of a row of that name.
    fn listed(&self, row: &str) -> String {
        let columns = self.columns().map(|column| format!("{row}{}", column.name));
        columns.collect::<Vec<String>>().join(", ")
    }

    fn file(&self) -> String {
        format!("{}.jsonl", self.name)
    }
}
