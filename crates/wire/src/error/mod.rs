//! Errors as problem details (RFC 9457), each with one stable code.

mod plan;
mod problem;

use std::borrow::Cow;

use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, ResponseError};
use ember_core::fryer::MachineError;
use ember_core::plan::{DeadlineError, PlanError};
use ember_core::supper::SupperError;
use ember_core::units::{Message, OutOfBounds};
use serde_json::Value;

pub use problem::{Code, DivisionDto, NAMED, Problem, respond};

/// A size as it is told.
fn in_words(bytes: usize) -> String {
    if bytes < 1 << 20 {
        format!("{} kB", bytes / 1024)
    } else {
        format!("{} MB", bytes >> 20)
    }
}

/// An error on its way to becoming a [`Problem`].
#[derive(Debug, thiserror::Error)]
pub enum ApiError {
    /// A plan was refused.
    #[error(transparent)]
    Plan(#[from] PlanError),
    /// No setting meets a deadline.
    #[error(transparent)]
    TooSoon(DeadlineError),
    /// A value outside its bound, under the name of its field.
    #[error("{0}")]
    Bound(#[from] OutOfBounds),
    /// A field whose value makes no sense.
    #[error("{detail}")]
    Invalid {
        /// The field.
        field: Cow<'static, str>,
        /// What is wrong and the way out.
        detail: String,
    },
    /// The request could not be read.
    #[error("{0}")]
    Malformed(String),
    /// The body is over the limit.
    #[error("the body is larger than {}; send less at once", in_words(*.0))]
    TooLarge(usize),
    /// The file is over the limit.
    #[error("the file is larger than {}", in_words(*.0))]
    TooLargeAFile(usize),
    /// Not sent as a zip file.
    #[error("send the file as application/zip")]
    NotZip,
    /// Not sent as JSON.
    #[error("send the body as application/json")]
    NotJson,
    /// Nothing there.
    #[error("there is no {0} here")]
    NotFound(&'static str),
    /// It does not fit the state of things.
    #[error("{detail}")]
    Conflict {
        /// Stable code.
        code: Code,
        /// What is wrong and the way out.
        detail: String,
    },
    /// Somebody else changed it first.
    #[error(
        "this was changed meanwhile, on another device or in another tab; look at what stands \
             there now and change that"
    )]
    Changed {
        /// What stands there now.
        current: Box<Value>,
    },
    /// What is stored cannot be read.
    #[error("this cannot be shown: {0}; it can be exported as it is, or deleted")]
    Unreadable(String),
    /// Not meant for this server, or not sent by one of its pages.
    #[error("{detail}")]
    Foreign {
        /// Which of the two.
        code: Code,
        /// What was asked and what to do.
        detail: String,
    },
    /// One of several things in a document.
    #[error("\"{name}\": {error}")]
    InDocument {
        /// Which.
        name: String,
        /// What is wrong with it.
        error: Box<ApiError>,
    },
    /// The database does not answer.
    #[error("the database does not answer; nothing was lost, try again in a moment")]
    DatabaseDown(#[source] Box<dyn std::error::Error + Send + Sync>),
    /// There is no room on the database's disk.
    #[error(
        "the disk of the database is full, so this was not saved; what was saved before is there. \
             Make room on it, then try again"
    )]
    DatabaseFull(#[source] Box<dyn std::error::Error + Send + Sync>),
    /// Too many at once, or somebody holds what is asked for.
    #[error("the database is busy with others; nothing was lost, try again in a moment")]
    DatabaseBusy,
    /// Too many computations at once.
    #[error("too many plans are being computed at once; try again in a moment")]
    Busy,
    /// Work of which only a few may be under way at once is under way.
    #[error("{0}")]
    Occupied(&'static str),
    /// The caller has reached a limit.
    #[error("{0}")]
    TooMany(&'static str),
    /// Somebody sends too often.
    #[error("that is too often; send what has come together in one request every few seconds")]
    TooOften,
    /// The request took too long to come.
    #[error("what was sent took too long to come and was given up; try again in a moment")]
    TooSlow,
    /// Whoever asks has not signed in.
    #[error(
        "sign in first: with the household's name and passphrase, or by a link from a device that is in"
    )]
    NotSignedIn,
    /// Name and passphrase do not belong together.
    #[error("this name and this passphrase do not belong together; look at both again")]
    NotLetIn,
    /// Too many tries to get in.
    #[error("too many tries; wait a few minutes and try again")]
    TooManyTries,
    /// The kitchen holds as many as it may.
    #[error("{detail}")]
    Full {
        /// What there are too many of, the bound and the way out.
        detail: String,
    },
    /// A fault of ours.
    #[error("something went wrong on our side; please try again")]
    Fault(#[source] anyhow::Error),
}

impl From<MachineError> for ApiError {
    fn from(error: MachineError) -> Self {
        match error {
            MachineError::OutOfBounds(error) => Self::Bound(error),
            other => Self::Plan(PlanError::Machine(other)),
        }
    }
}

impl From<SupperError> for ApiError {
    fn from(error: SupperError) -> Self {
        match error {
            SupperError::Invalid { field, detail } => Self::invalid(field, detail),
            SupperError::Plan(error) => error.into(),
            SupperError::Unfit(unfit) => unfit.into(),
            SupperError::Dish { number, error } => Self::InDocument {
                name: format!("dish {number}"),
                error: Box::new((*error).into()),
            },
        }
    }
}

impl From<DeadlineError> for ApiError {
    fn from(error: DeadlineError) -> Self {
        match error {
            DeadlineError::Plan(error) => Self::Plan(error),
            DeadlineError::TooSoon { .. } => Self::TooSoon(error),
        }
    }
}

/// What a database that goes away, or has not come up, tells in words only.
const GONE: [&str; 7] = [
    "terminating connection",
    "shutting down",
    "starting up",
    "in recovery mode",
    "server closed the connection",
    "no connection to the server",
    "could not receive data",
];
/// What it tells where its disk is full.
const FULL: [&str; 2] = ["No space left on device", "could not extend file"];
/// What it tells when something took longer than it may.
const TOO_LONG: [&str; 3] = [
    "due to statement timeout",
    "due to lock timeout",
    "deadlock detected",
];

impl From<diesel::result::Error> for ApiError {
    fn from(error: diesel::result::Error) -> Self {
        use diesel::result::{DatabaseErrorKind, Error};
        let says = |phrases: &[&str], words: &str| phrases.iter().any(|one| words.contains(one));
        match error {
            Error::NotFound => Self::NotFound("cook"),
            // A standby, or a primary that has become one.
            Error::DatabaseError(
                DatabaseErrorKind::ClosedConnection | DatabaseErrorKind::ReadOnlyTransaction,
                _,
            )
            | Error::BrokenTransactionManager => Self::DatabaseDown(Box::new(error)),
            Error::DatabaseError(DatabaseErrorKind::SerializationFailure, _) => Self::DatabaseBusy,
            Error::DatabaseError(_, ref info) if says(&GONE, info.message()) => {
                Self::DatabaseDown(Box::new(error))
            }
            Error::DatabaseError(_, ref info) if says(&TOO_LONG, info.message()) => {
                Self::DatabaseBusy
            }
            Error::DatabaseError(_, ref info) if says(&FULL, info.message()) => {
                Self::DatabaseFull(Box::new(error))
            }
            // The error of the statement that found the connection gone, not of taking it back.
            Error::RollbackErrorOnCommit { .. } => Self::DatabaseDown(Box::new(error)),
            other => Self::Fault(other.into()),
        }
    }
}

impl From<diesel::r2d2::PoolError> for ApiError {
    fn from(error: diesel::r2d2::PoolError) -> Self {
        Self::DatabaseDown(Box::new(error))
    }
}

impl From<actix_web::error::BlockingError> for ApiError {
    fn from(error: actix_web::error::BlockingError) -> Self {
        Self::Fault(error.into())
    }
}

impl From<serde_json::Error> for ApiError {
    fn from(error: serde_json::Error) -> Self {
        Self::Fault(error.into())
    }
}

impl ApiError {
    /// A field whose value makes no sense.
    #[must_use]
    pub fn invalid(field: impl Into<Cow<'static, str>>, detail: impl Into<String>) -> Self {
        Self::Invalid {
            field: field.into(),
            detail: detail.into(),
        }
    }

    /// Something that does not fit the state of things.
    #[must_use]
    pub fn conflict(code: Code, detail: impl Into<String>) -> Self {
        Self::Conflict {
            code,
            detail: detail.into(),
        }
    }

    /// A name that is taken is told as such.
    #[must_use]
    pub fn name_taken(error: diesel::result::Error, what: &str, name: &str) -> Self {
        use diesel::result::{DatabaseErrorKind, Error};
        match error {
            Error::DatabaseError(DatabaseErrorKind::UniqueViolation, _) => {
                Self::name_is_taken(what, name)
            }
            other => other.into(),
        }
    }

    /// A name that something else has.
    #[must_use]
    pub fn name_is_taken(what: &str, name: &str) -> Self {
        Self::conflict(
            Code::NameTaken,
            format!("there is a {what} called \"{name}\" already; choose another name"),
        )
    }

    /// The kitchen holds as many of something as it may.
    #[must_use]
    pub fn full(what: &str, most: impl std::fmt::Display, way_out: &str) -> Self {
        Self::Full {
            detail: format!(
                "this kitchen has {most} {what} already, which is all it may have; {way_out}"
            ),
        }
    }

    fn code(&self) -> Code {
        match self {
            Self::Plan(error) => plan::code(error),
            Self::TooSoon(_) => Code::TooSoon,
            Self::Bound(_) => Code::OutOfBounds,
            Self::Invalid { .. } => Code::Invalid,
            Self::Malformed(_) => Code::Malformed,
            Self::TooLarge(_) | Self::TooLargeAFile(_) => Code::TooLarge,
            Self::NotJson | Self::NotZip => Code::NotJson,
            Self::NotFound(_) => Code::NotFound,
            Self::InDocument { error, .. } => error.code(),
            Self::Conflict { code, .. } | Self::Foreign { code, .. } => *code,
            Self::Changed { .. } => Code::Changed,
            Self::Unreadable(_) => Code::Unreadable,
            Self::DatabaseDown(_) => Code::DatabaseDown,
            Self::DatabaseFull(_) => Code::DatabaseFull,
            Self::DatabaseBusy => Code::DatabaseBusy,
            Self::Busy | Self::Occupied(_) => Code::Busy,
            Self::TooOften | Self::TooMany(_) => Code::TooOften,
            Self::TooSlow => Code::TooSlow,
            Self::NotSignedIn => Code::NotSignedIn,
            Self::NotLetIn => Code::NotLetIn,
            Self::TooManyTries => Code::TooManyTries,
            Self::Full { .. } => Code::Full,
            Self::Fault(_) => Code::Fault,
        }
    }

    /// Whether the same may go well in a moment.
    #[must_use]
    pub fn is_passing(&self) -> bool {
        self.code().status() == StatusCode::SERVICE_UNAVAILABLE
    }

    fn bound(&self) -> Option<&OutOfBounds> {
        match self {
            Self::InDocument { error, .. } => error.bound(),
            Self::Bound(error)
            | Self::Plan(
                PlanError::OutOfBounds(error)
                | PlanError::Machine(MachineError::OutOfBounds(error)),
            ) => Some(error),
            _ => None,
        }
    }

    fn field(&self) -> Option<&str> {
        match self {
            Self::Invalid { field, .. } => Some(field),
            Self::InDocument { error, .. } => error.field(),
            Self::Plan(error) => Some(plan::field(error)),
            Self::Bound(error) => Some(error.bound.field),
            Self::TooSoon(_) => Some("within_s"),
            _ => None,
        }
    }

    /// What is wrong and the way out, with its quantities left open.
    fn message(&self) -> Message {
        match self {
            Self::Plan(error) => error.message(),
            Self::TooSoon(error) => error.message(),
            Self::Bound(error) => error.message(),
            Self::InDocument { name, error } => {
                let Message { text, values } = error.message();
                Message::with(format!("\"{name}\": {text}"), values)
            }
            other => Message::plain(other.to_string()),
        }
    }

    /// The body that is sent.
    #[must_use]
    pub fn problem(&self) -> Problem {
        let mut problem = Problem::new(self.code(), &self.message());
        problem.field = self.field().map(str::to_owned);
        if let Some(error) = self.bound() {
            problem.value = Some(error.value).filter(|value| value.is_finite());
            problem.min = Some(error.bound.min);
            problem.max = Some(error.bound.max);
            problem.unit = Some(error.bound.unit);
        }
        match self {
            Self::Plan(error) => plan::limits(error, &mut problem),
            Self::Changed { current } => problem.current = Some((**current).clone()),
            _ => {}
        }
        problem
    }

    /// Writes the cause of what is our fault, or the database's, to the log: what is answered says
    /// that it is there.
    pub fn log(&self) {
        match self {
            Self::DatabaseDown(cause) => tracing::warn!(%cause, "database down"),
            Self::DatabaseFull(cause) => tracing::error!(%cause, "database full"),
            Self::DatabaseBusy => tracing::warn!("database busy"),
            Self::Fault(cause) => tracing::error!(?cause, "fault"),
            Self::Unreadable(cause) => tracing::warn!(cause, "unreadable document"),
            Self::InDocument { error, .. } => error.log(),
            _ => {}
        }
    }
}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        self.code().status()
    }

    fn error_response(&self) -> HttpResponse {
        self.log();
        respond(&self.problem())
    }
}

/// The most that a file may be, bytes.
pub const UPLOAD_LIMIT: usize = 64 << 20;
/// Body limit, bytes.
pub const BODY_LIMIT: usize = 64 * 1024;

/// Answers unreadable bodies, paths and queries in the same shape as everything else.
pub fn extractors(config: &mut actix_web::web::ServiceConfig) {
    use actix_web::error::JsonPayloadError;
    use actix_web::web::{JsonConfig, PathConfig, QueryConfig};
    let json = JsonConfig::default()
        .limit(BODY_LIMIT)
        .error_handler(|error, _: &HttpRequest| {
            match error {
                JsonPayloadError::Overflow { .. }
                | JsonPayloadError::OverflowKnownLength { .. } => ApiError::TooLarge(BODY_LIMIT),
                JsonPayloadError::ContentType => ApiError::NotJson,
                other => ApiError::Malformed(other.to_string()),
            }
            .into()
        });
    config
        .app_data(json)
        .app_data(PathConfig::default().error_handler(|error, _| {
            ApiError::Malformed(format!("the address is not understood: {error}")).into()
        }))
        .app_data(QueryConfig::default().error_handler(|error, _| {
            ApiError::Malformed(format!("the query is not understood: {error}")).into()
        }));
}
