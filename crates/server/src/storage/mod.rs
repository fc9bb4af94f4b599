//! What is stored, apart from what travels: documents with a version, and how an older one becomes
//! a newer one.
//!
//! A column holds `{"version": 2, "holds": {...}}`. What was stored before there were versions has
//! none and is version 1. Reading an older version takes it through one upgrade after the other; a
//! newer one, written by a later Zesty Ember, is told as such and left alone. So the wire
//! ([`crate::dto`]) can change from one day to the next: what is stored changes only here, with a
//! new version and an upgrade, and `tests/all/storage.rs` reads every version that ever was.
//!
//! What a cook said (sentences, machines, methods, suppers, events) has types of its own here. What
//! was computed from it (a plan, a schedule, the summary of a list) is kept as it was answered: a
//! snapshot, whose versions are those of [`snapshot`].

pub mod catch_up;
pub mod event;
pub mod lesson;
pub mod machine;
pub mod method;
pub mod recipe;
pub mod sentence;
pub mod settings;
pub mod side;
pub mod snapshot;
pub mod supper;

use chrono::{DateTime, Utc};
use serde::de::{DeserializeOwned, Error as _};
use serde::{Deserialize, Deserializer, Serialize, Serializer};
use serde_json::Value;
use uuid::Uuid;

use crate::documents::Unread;
use crate::error::ApiError;

/// Takes a document from one version to the next.
pub type Upgrade = fn(&mut Value);

/// Something that is stored with a version.
pub trait Document: Serialize + DeserializeOwned {
    /// From version 1 to 2, from 2 to 3, and so on: as many as there were changes.
    const UPGRADES: &'static [Upgrade] = &[];

    /// Version that is written.
    #[must_use]
    fn version() -> usize {
        Self::UPGRADES.len() + 1
    }
}

/// A document with its version, alone in a column or within another document.
#[derive(Debug, Clone, PartialEq)]
pub struct Versioned<T>(pub T);

/// Why a stored document is not shown.
#[derive(Debug, Clone, PartialEq, Eq, thiserror::Error)]
pub enum Unreadable {
    /// A later version of the program wrote it.
    #[error("{NEWER}")]
    Newer,
    /// It does not hold what it should.
    #[error("{0}")]
    Damaged(String),
}

impl Unreadable {
    /// As a row of a list that cannot be shown.
    #[must_use]
    pub fn row(&self, id: Uuid, name: &str, created_at: DateTime<Utc>) -> Unread {
        Unread {
            id,
            name: name.to_owned(),
            created_at,
            newer: *self == Self::Newer,
            detail: self.to_string(),
        }
    }
}

impl From<Unreadable> for ApiError {
    fn from(unreadable: Unreadable) -> Self {
        Self::Unreadable(unreadable.to_string())
    }
}

const NEWER: &str = "it was stored by a newer Zesty Ember";

/// A document as it goes into its column.
///
/// # Errors
/// A fault of ours: what has no place in JSON.
pub fn pack<T: Document>(document: T) -> Result<Value, serde_json::Error> {
    serde_json::to_value(Versioned(document))
}

/// A document as it comes out of its column, upgraded.
///
/// # Errors
/// [`Unreadable`].
pub fn unpack<T: Document>(stored: Value) -> Result<T, Unreadable> {
    serde_json::from_value(stored)
        .map(|Versioned(document)| document)
        .map_err(|error| {
            let words = error.to_string();
            // Within a document it comes up in the words of the one around it.
            if words.contains(NEWER) {
                Unreadable::Newer
            } else {
                Unreadable::Damaged(words)
            }
        })
}

#[derive(Serialize)]
struct Envelope<'a, T> {
    version: usize,
    holds: &'a T,
}

#[derive(Deserialize)]
#[serde(deny_unknown_fields)]
struct Opened {
    version: usize,
    holds: Value,
}

impl<T: Document> Serialize for Versioned<T> {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        let (version, holds) = (T::version(), &self.0);
        Envelope { version, holds }.serialize(serializer)
    }
}

impl<'de, T: Document> Deserialize<'de> for Versioned<T> {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let stored = Value::deserialize(deserializer)?;
        let has_version = stored.get("version").is_some() && stored.get("holds").is_some();
        let Opened { version, mut holds } = if has_version {
            serde_json::from_value(stored).map_err(D::Error::custom)?
        } else {
            Opened {
                version: 1,
                holds: stored,
            }
        };
        if version > T::version() {
            return Err(D::Error::custom(NEWER));
        }
        for upgrade in T::UPGRADES.iter().skip(version.saturating_sub(1)) {
            upgrade(&mut holds);
        }
        serde_json::from_value(holds)
            .map(Self)
            .map_err(D::Error::custom)
    }
}

/// A stored type beside its counterpart on the wire. Each field says how it is carried over:
/// `same` as it is, `one`, `maybe` or `each` as a stored type of its own, `doc`, `maybe_doc` and
/// `docs` as those with a version. What is unknown is passed over: only a version says that something changed.
macro_rules! stored {
    ($(#[$meta:meta])* $name:ident = $wire:path {
        $($(#[$attribute:meta])* $how:ident $field:ident: $type:ty),* $(,)?
    }) => {
        $(#[$meta])*
        #[derive(Debug, Clone, PartialEq, serde::Serialize, serde::Deserialize)]
        pub struct $name {
            $($(#[$attribute])* #[allow(missing_docs, reason = "as on the wire")] pub $field: $type),*
        }

        impl From<$wire> for $name {
            fn from(wire: $wire) -> Self {
                Self { $($field: crate::storage::taken!($how, wire.$field)),* }
            }
        }

        impl From<$name> for $wire {
            fn from(stored: $name) -> Self {
                Self { $($field: crate::storage::given!($how, stored.$field)),* }
            }
        }
    };
}
pub(crate) use stored;

/// From the wire into a stored field.
macro_rules! taken {
    (doc, $value:expr) => {
        crate::storage::Versioned($value.into())
    };
    (maybe_doc, $value:expr) => {
        $value.map(|one| crate::storage::Versioned(one.into()))
    };
    (docs, $value:expr) => {
        $value
            .into_iter()
            .map(|one| crate::storage::Versioned(one.into()))
            .collect()
    };
    (maybe_box, $value:expr) => {
        $value.map(|one| crate::storage::Versioned((*one).into()))
    };
    ($how:ident, $value:expr) => {
        crate::storage::carried!($how, $value)
    };
}
pub(crate) use taken;

/// From a stored field onto the wire.
macro_rules! given {
    (doc, $value:expr) => {
        $value.0.into()
    };
    (maybe_doc, $value:expr) => {
        $value.map(|one| one.0.into())
    };
    (docs, $value:expr) => {
        $value.into_iter().map(|one| one.0.into()).collect()
    };
    (maybe_box, $value:expr) => {
        $value.map(|one| Box::new(one.0.into()))
    };
    ($how:ident, $value:expr) => {
        crate::storage::carried!($how, $value)
    };
}
pub(crate) use given;

/// Either way.
macro_rules! carried {
    (same, $value:expr) => {
        $value
    };
    (one, $value:expr) => {
        $value.into()
    };
    (maybe, $value:expr) => {
        $value.map(Into::into)
    };
    (each, $value:expr) => {
        $value.into_iter().map(Into::into).collect()
    };
    (maybe_each, $value:expr) => {
        $value.map(|all| all.into_iter().map(Into::into).collect())
    };
}
pub(crate) use carried;
