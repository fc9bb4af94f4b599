//! A household as one file, out and in: a zip with `kitchen.json`, which says what it is, a file of JSON lines for
//! each table, and `schema.json`, which describes a line of each. Documents are as they are stored, with their
//! version, so that what cannot be shown goes along too.

mod read;
mod schema;
mod write;

use serde::{Deserialize, Serialize};

pub use read::{Came, read};
pub use schema::schema;
pub use write::write;

/// What `kitchen.json` calls the format.
pub const FORMAT: &str = "zesty-ember-household";
/// Its version; a newer one is not read.
pub const VERSION: u32 = 1;
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
    /// Columns, the type of each as JSON Schema names it, and whether it may be absent.
    columns: &'static [(&'static str, Kind, bool)],
    /// In which order rows are written.
    order: &'static str,
    /// The column that names the row of an earlier table that this one belongs to, and that table.
    of: Option<(&'static str, &'static str)>,
}

/// What a column holds.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
enum Kind {
    Id,
    Text,
    Time,
    Whole,
    Number,
    Document,
}

use Kind::{Document, Id, Number, Text, Time, Whole};

/// All of them, each after those it points to.
const TABLES: [Table; 11] = [
    Table {
        name: "settings",
        columns: &[
            ("key", Text, false),
            ("document", Document, false),
            ("revision", Whole, false),
            ("changed_at", Time, false),
        ],
        order: "key",
        of: None,
    },
    Table {
        name: "machines",
        columns: &[
            ("id", Id, false),
            ("name", Text, false),
            ("profile", Document, false),
            ("created_at", Time, false),
            ("revision", Whole, false),
            ("deleted_at", Time, true),
        ],
        order: "created_at, id",
        of: None,
    },
    Table {
        name: "cards",
        columns: &[
            ("id", Id, false),
            ("kind", Text, false),
            ("name", Text, false),
            ("cut", Text, false),
            ("document", Document, false),
            ("created_at", Time, false),
            ("revision", Whole, false),
            ("deleted_at", Time, true),
        ],
        order: "created_at, id",
        of: None,
    },
    Table {
        name: "suppers",
        columns: &[
            ("id", Id, false),
            ("name", Text, false),
            ("document", Document, false),
            ("scheduled", Document, false),
            ("summary", Document, true),
            ("created_at", Time, false),
            ("changed_at", Time, false),
            ("revision", Whole, false),
            ("deleted_at", Time, true),
        ],
        order: "created_at, id",
        of: None,
    },
    Table {
        name: "supper_events",
        columns: &[
            ("id", Id, false),
            ("supper_id", Id, false),
            ("at", Time, false),
            ("told", Document, false),
            ("before", Document, true),
        ],
        order: "seq",
        of: Some(("supper_id", "suppers")),
    },
    Table {
        name: "cooks",
        columns: &[
            ("id", Id, false),
            ("name", Text, false),
            ("cut", Text, false),
            ("request", Document, false),
            ("plan", Document, false),
            ("summary", Document, true),
            ("model_version", Text, false),
            ("eat_at", Time, true),
            ("created_at", Time, false),
            ("started_at", Time, true),
            ("finished_at", Time, true),
            ("deleted_at", Time, true),
            ("note", Text, false),
            ("revision", Whole, false),
            ("machine_id", Id, true),
            ("supper_id", Id, true),
            ("dish", Text, true),
        ],
        order: "created_at, id",
        of: None,
    },
    Table {
        name: "events",
        columns: &[
            ("id", Id, false),
            ("cook_id", Id, false),
            ("at", Time, false),
            ("happening", Document, false),
        ],
        order: "seq",
        of: Some(("cook_id", "cooks")),
    },
    Table {
        name: "thermometers",
        columns: &[
            ("id", Id, false),
            ("name", Text, false),
            ("created_at", Time, false),
        ],
        order: "created_at, id",
        of: None,
    },
    Table {
        name: "channels",
        columns: &[
            ("thermometer_id", Id, false),
            ("channel", Whole, false),
            ("kind", Text, false),
            ("cook_id", Id, true),
            ("batch", Whole, true),
            ("piece", Text, true),
        ],
        order: "thermometer_id, channel",
        of: Some(("thermometer_id", "thermometers")),
    },
    Table {
        name: "probe_readings",
        columns: &[
            ("thermometer_id", Id, false),
            ("channel", Whole, false),
            ("device_at", Time, false),
            ("at", Time, false),
            ("celsius", Number, false),
            ("kind", Text, false),
            ("cook_id", Id, true),
            ("batch", Whole, true),
        ],
        order: "thermometer_id, channel, device_at",
        of: Some(("thermometer_id", "thermometers")),
    },
    Table {
        name: "shared",
        columns: &[
            ("id", Id, false),
            ("sentence", Document, false),
            ("created_at", Time, false),
        ],
        order: "created_at, id",
        of: None,
    },
];

impl Table {
    /// Its columns in SQL, each of a row of that name.
    fn listed(&self, row: &str) -> String {
        let columns = self.columns.iter().map(|(name, ..)| format!("{row}{name}"));
        columns.collect::<Vec<String>>().join(", ")
    }

    fn file(&self) -> String {
        format!("{}.jsonl", self.name)
    }
}
