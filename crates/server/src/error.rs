//! Errors as problem details (RFC 9457), each with one stable code.

use actix_web::http::StatusCode;
use actix_web::{HttpRequest, HttpResponse, ResponseError};
use ember_core::fryer::MachineError;
use ember_core::plan::{DeadlineError, PlanError};
use ember_core::units::OutOfBounds;
use serde::Serialize;
use utoipa::ToSchema;

use crate::dto::loading::DivisionDto;

/// The body of every answer that is not a success.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct Problem {
    /// Identifies the kind of problem; the code again, as a reference.
    #[serde(rename = "type")]
    pub kind: String,
    /// Short and the same for every occurrence.
    pub title: &'static str,
    /// HTTP status.
    pub status: u16,
    /// Stable, machine-readable.
    pub code: &'static str,
    /// What is wrong here, and the way out.
    pub detail: String,
    /// Field that caused it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub field: Option<String>,
    /// What was given, in the unit at the end of the field's name.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub value: Option<f64>,
    /// Least value accepted.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub min: Option<f64>,
    /// Greatest value accepted.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub max: Option<f64>,
    /// Unit of value, min and max.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub unit: Option<&'static str>,
    /// Minutes at the setting asked for and at the machine's ceiling.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub equivalent_min: Option<[f64; 2]>,
    /// Sections that would lie in the machine.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub division: Option<DivisionDto>,
}

impl From<MachineError> for ApiError {
    fn from(error: MachineError) -> Self {
        match error {
            MachineError::OutOfBounds(error) => Self::Bound(error),
            other => Self::Plan(PlanError::Machine(other)),
        }
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
    Bound(OutOfBounds),
    /// A field whose value makes no sense.
    #[error("{detail}")]
    Invalid {
        /// The field.
        field: &'static str,
        /// What is wrong and the way out.
        detail: String,
    },
    /// The request could not be read.
    #[error("{0}")]
    Malformed(String),
    /// The body is over the limit.
    #[error("the body is larger than 64 kB")]
    TooLarge,
    /// Not sent as JSON.
    #[error("send the body as application/json")]
    NotJson,
    /// Nothing there.
    #[error("there is no {0} here")]
    NotFound(&'static str),
    /// It does not fit the state of the cook.
    #[error("{detail}")]
    Conflict {
        /// Stable code.
        code: &'static str,
        /// What is wrong and the way out.
        detail: String,
    },
    /// One of several machines in a document.
    #[error("\"{name}\": {error}")]
    InDocument {
        /// The machine.
        name: String,
        /// What is wrong with it.
        error: Box<ApiError>,
    },
    /// The database does not answer.
    #[error("the database does not answer; nothing was lost, try again in a moment")]
    DatabaseDown(#[source] Box<dyn std::error::Error + Send + Sync>),
    /// A fault of ours.
    #[error("something went wrong on our side; it is in the log")]
    Fault(#[source] anyhow::Error),
}

impl From<DeadlineError> for ApiError {
    fn from(error: DeadlineError) -> Self {
        match error {
            DeadlineError::Plan(error) => Self::Plan(error),
            DeadlineError::TooSoon { .. } => Self::TooSoon(error),
        }
    }
}

impl From<OutOfBounds> for ApiError {
    fn from(error: OutOfBounds) -> Self {
        Self::Bound(error)
    }
}

impl From<diesel::result::Error> for ApiError {
    fn from(error: diesel::result::Error) -> Self {
        use diesel::result::{DatabaseErrorKind, Error};
        match error {
            Error::NotFound => Self::NotFound("cook"),
            Error::DatabaseError(DatabaseErrorKind::ClosedConnection, _)
            | Error::BrokenTransactionManager => Self::DatabaseDown(Box::new(error)),
            // A server that shuts down tells so in words only.
            Error::DatabaseError(_, ref info)
                if ["terminating connection", "shutting down", "starting up"]
                    .iter()
                    .any(|words| info.message().contains(words)) =>
            {
                Self::DatabaseDown(Box::new(error))
            }
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
    /// A name that is taken is told as such.
    #[must_use]
    pub fn name_taken(error: diesel::result::Error, what: &str, name: &str) -> Self {
        use diesel::result::{DatabaseErrorKind, Error};
        match error {
            Error::DatabaseError(DatabaseErrorKind::UniqueViolation, _) => Self::Conflict {
                code: "name_taken",
                detail: format!("there is a {what} called \"{name}\" already; choose another name"),
            },
            other => other.into(),
        }
    }

    fn head(&self) -> (StatusCode, &'static str, &'static str) {
        let unprocessable = StatusCode::UNPROCESSABLE_ENTITY;
        match self {
            Self::Plan(error) => match error {
                PlanError::OutOfBounds(_) | PlanError::Machine(MachineError::OutOfBounds(_)) => {
                    (unprocessable, "out_of_bounds", OUT_OF_BOUNDS)
                }
                PlanError::Machine(_) => (unprocessable, "no_such_machine", "Cannot be"),
                PlanError::NotOnTheSpit { .. } => {
                    (unprocessable, "not_on_the_spit", "Does not hold")
                }
                PlanError::Weighed { .. } => (unprocessable, "weighed", "Does not go together"),
                PlanError::NoSuchLevel { .. } => (unprocessable, "no_such_level", "Does not fit"),
                PlanError::BelowPoultryFloor { .. } => (
                    unprocessable,
                    "below_poultry_floor",
                    "Below the safety floor",
                ),
                PlanError::NeedsAcknowledgement { .. } => (
                    unprocessable,
                    "needs_acknowledgement",
                    "Below the safety floor",
                ),
                PlanError::NeverReached { .. } => {
                    (unprocessable, "never_reached", "Never gets there")
                }
                PlanError::TooTall { .. } => (unprocessable, "too_tall", "Does not fit"),
                PlanError::AboveCeiling { .. } => {
                    (unprocessable, "above_ceiling", "Hotter than the machine")
                }
                PlanError::BelowLowest { .. } => {
                    (unprocessable, "below_lowest", "Cooler than the machine")
                }
                PlanError::NotOnTheDial { .. } => {
                    (unprocessable, "not_on_the_dial", "Hotter than the machine")
                }
                PlanError::ThicknessOfWeight { .. } => {
                    (unprocessable, "thickness_of_weight", "Does not go together")
                }
                PlanError::TooLarge { .. } => (unprocessable, "too_large_a_piece", "Does not fit"),
                PlanError::TooMany { .. } => (unprocessable, "too_many_batches", "Too many"),
                PlanError::CannotHold { .. } => (unprocessable, "cannot_hold", "Does not hold"),
                PlanError::LaidOut { .. } => (unprocessable, "laid_out", "Does not go together"),
                PlanError::AfterTheEnd { .. } => {
                    (unprocessable, "after_the_end", "Everything is out by then")
                }
            },
            Self::TooSoon(_) => (unprocessable, "too_soon", "Too soon"),
            Self::Bound(_) => (unprocessable, "out_of_bounds", OUT_OF_BOUNDS),
            Self::Invalid { .. } => (unprocessable, "invalid", "Not understood"),
            Self::Malformed(_) => (StatusCode::BAD_REQUEST, "malformed", "Could not be read"),
            Self::TooLarge => (StatusCode::PAYLOAD_TOO_LARGE, "too_large", "Too large"),
            Self::NotJson => (
                StatusCode::UNSUPPORTED_MEDIA_TYPE,
                "not_json",
                "Could not be read",
            ),
            Self::NotFound(_) => (StatusCode::NOT_FOUND, "not_found", "Not found"),
            Self::InDocument { error, .. } => error.head(),
            Self::Conflict { code, .. } => (StatusCode::CONFLICT, code, "Does not fit"),
            Self::DatabaseDown(_) => (
                StatusCode::SERVICE_UNAVAILABLE,
                "database_down",
                "Not available",
            ),
            Self::Fault(_) => (StatusCode::INTERNAL_SERVER_ERROR, "fault", "Our fault"),
        }
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

    fn field(&self) -> Option<&'static str> {
        match self {
            Self::Invalid { field, .. } => Some(field),
            Self::InDocument { error, .. } => error.field(),
            Self::Plan(error) => Some(match error {
                PlanError::OutOfBounds(error) => error.bound.field,
                PlanError::Machine(error) => field_of_machine(error),
                PlanError::NotOnTheSpit { .. } => "support",
                PlanError::Weighed { .. } => "weights_g",
                PlanError::NoSuchLevel { .. } => "rack",
                PlanError::BelowPoultryFloor { .. } | PlanError::NeedsAcknowledgement { .. } => {
                    "core_target_c"
                }
                PlanError::NeverReached { .. }
                | PlanError::AboveCeiling { .. }
                | PlanError::BelowLowest { .. } => "setting_c",
                PlanError::TooTall { .. } | PlanError::ThicknessOfWeight { .. } => "thickness_mm",
                PlanError::NotOnTheDial { .. } => "programme.stage_setting_c",
                PlanError::TooLarge { .. } => "piece_mass_g",
                PlanError::TooMany { .. } => "pieces",
                PlanError::CannotHold { .. } => "support",
                PlanError::LaidOut { .. } => "layout",
                PlanError::AfterTheEnd { .. } => "actions.at_s",
            }),
            Self::Bound(error) => Some(error.bound.field),
            Self::TooSoon(_) => Some("within_s"),
            _ => None,
        }
    }

    /// The body that is sent.
    #[must_use]
    pub fn problem(&self) -> Problem {
        let (status, code, title) = self.head();
        let mut problem = Problem {
            kind: format!("/problems/{code}"),
            title,
            status: status.as_u16(),
            code,
            detail: self.to_string(),
            field: self.field().map(str::to_owned),
            value: None,
            min: None,
            max: None,
            unit: None,
            equivalent_min: None,
            division: None,
        };
        if let Some(error) = self.bound() {
            problem.value = Some(error.value).filter(|value| value.is_finite());
            problem.min = Some(error.bound.min);
            problem.max = Some(error.bound.max);
            problem.unit = Some(error.bound.unit);
        }
        if let Self::Plan(error) = self {
            limits_of(error, &mut problem);
        }
        problem
    }
}

const OUT_OF_BOUNDS: &str = "Out of bounds";

/// The field of a machine that was measured wrong.
fn field_of_machine(error: &MachineError) -> &'static str {
    match error {
        MachineError::OutOfBounds(error) => error.bound.field,
        MachineError::Dial { .. } => "lowest_c",
        MachineError::ElementInTheWay { .. } => "element_mm",
        MachineError::Corner { .. } => "floor_corner_mm",
        MachineError::Rack { .. } => "racks_mm",
        MachineError::SpitTooLong { .. } => "spit_length_mm",
        MachineError::NotInThisKind { .. } => "kind",
    }
}

/// The numbers of a refusal, so that a client can tell them in the cook's units.
fn limits_of(error: &PlanError, problem: &mut Problem) {
    match error {
        PlanError::BelowPoultryFloor { floor, .. } => {
            problem.min = Some(floor.celsius());
            problem.unit = Some("°C");
        }
        PlanError::NeedsAcknowledgement { target, floor, .. } => {
            problem.value = Some(target.celsius());
            problem.min = Some(floor.celsius());
            problem.unit = Some("°C");
        }
        PlanError::AboveCeiling {
            asked,
            ceiling,
            at_asked,
            at_ceiling,
        } => {
            problem.value = Some(asked.celsius());
            problem.max = Some(ceiling.celsius());
            problem.unit = Some("°C");
            problem.equivalent_min = Some([at_asked.minutes(), at_ceiling.minutes()]);
        }
        PlanError::ThicknessOfWeight {
            thickness, range, ..
        } => {
            problem.value = Some(thickness.millimetres());
            problem.min = Some(range[0].millimetres());
            problem.max = Some(range[1].millimetres());
            problem.unit = Some("mm");
        }
        PlanError::NotOnTheDial { asked, ceiling } => {
            problem.value = Some(asked.celsius());
            problem.max = Some(ceiling.celsius());
            problem.unit = Some("°C");
        }
        PlanError::AfterTheEnd { at, out } => {
            problem.value = Some(at.seconds());
            problem.max = Some(out.seconds());
            problem.unit = Some("s");
        }
        PlanError::BelowLowest { asked, lowest } => {
            problem.value = Some(asked.celsius());
            problem.min = Some(lowest.celsius());
            problem.unit = Some("°C");
        }
        PlanError::TooTall { piece, cavity, .. } => {
            problem.value = Some(piece.millimetres());
            problem.max = Some(cavity.millimetres());
            problem.unit = Some("mm");
        }
        PlanError::NeverReached { reached, .. } => {
            problem.value = Some(reached.celsius());
            problem.unit = Some("°C");
        }
        PlanError::LaidOut { laid, pieces } => {
            problem.value = Some(f64::from(*laid));
            problem.max = Some(f64::from(*pieces));
        }
        PlanError::TooMany { pieces, .. } => problem.value = Some(f64::from(*pieces)),
        PlanError::TooLarge { mass, division, .. } => {
            problem.value = Some(mass.grams());
            problem.unit = Some("g");
            problem.division = division.map(DivisionDto::from);
        }
        PlanError::NotOnTheSpit { asked, spit, .. } => {
            problem.value = Some(asked.0.grams());
            problem.max = Some(spit.heaviest.grams());
            problem.unit = Some("g");
        }
        PlanError::Weighed { weighed, pieces } => {
            problem.value = Some(*weighed as f64);
            problem.max = Some(f64::from(*pieces));
        }
        PlanError::NoSuchLevel { asked, there } => {
            problem.value = Some(*asked as f64);
            problem.max = Some(*there as f64);
        }
        PlanError::OutOfBounds(_) | PlanError::CannotHold { .. } | PlanError::Machine(_) => {}
    }
}

impl ResponseError for ApiError {
    fn status_code(&self) -> StatusCode {
        self.head().0
    }

    fn error_response(&self) -> HttpResponse {
        match self {
            Self::DatabaseDown(cause) => tracing::warn!(%cause, "database down"),
            Self::Fault(cause) => tracing::error!(?cause, "fault"),
            _ => {}
        }
        respond(&self.problem())
    }
}

/// A problem as a response.
#[must_use]
pub fn respond(problem: &Problem) -> HttpResponse {
    let status = StatusCode::from_u16(problem.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR);
    HttpResponse::build(status)
        .content_type("application/problem+json")
        .json(problem)
}

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
                | JsonPayloadError::OverflowKnownLength { .. } => ApiError::TooLarge,
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
