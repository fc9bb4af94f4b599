//! The body of every answer that is not a success.

use actix_web::HttpResponse;
use actix_web::http::{StatusCode, header};
use ember_core::basket::Division;
use ember_core::units::Message;
use serde::{Deserialize, Serialize};
use serde_json::Value;
use utoipa::ToSchema;

use crate::dto::quantity::MessageDto;

/// Problem details (RFC 9457).
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct Problem {
    /// Identifies the kind of problem; the code again, as a reference.
    #[serde(rename = "type")]
    pub kind: String,
    /// Short and the same for every occurrence.
    pub title: &'static str,
    /// HTTP status.
    #[schema(minimum = 400, maximum = 599)]
    pub status: u16,
    /// Stable, machine-readable.
    pub code: Code,
    /// What is wrong here, and the way out.
    pub detail: String,
    /// The same with its quantities left open, to be told in a cook's units.
    pub message: MessageDto,
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
    /// The name of the request, as the header `X-Request-Id` and the log have it.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub instance: Option<String>,
    /// What stands there now, where somebody else changed it first.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<Object>)]
    pub current: Option<Value>,
}

/// Sections of a piece.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct DivisionDto {
    /// Of each piece.
    pub sections: u32,
    /// Weight of one.
    pub piece_mass_g: f64,
    /// Thickness of one.
    pub thickness_mm: f64,
    /// Fewest and most bones in one.
    pub bones: Option<[u32; 2]>,
    /// Longer side.
    pub length_mm: f64,
    /// Shorter side.
    pub width_mm: f64,
    /// Loads that all of them take.
    pub loads: u32,
}

impl From<Division> for DivisionDto {
    fn from(division: Division) -> Self {
        Self {
            sections: division.sections,
            piece_mass_g: division.mass.grams(),
            thickness_mm: division.thickness.millimetres(),
            bones: division.bones,
            length_mm: division.outline.length.millimetres(),
            width_mm: division.outline.width.millimetres(),
            loads: division.loads,
        }
    }
}

tokio::task_local! {
    /// The name of the request that is being answered.
    pub static NAMED: String;
}

/// Codes with their status and title.
macro_rules! codes {
    ($($(#[$meta:meta])* $name:ident = $status:ident, $title:literal;)+) => {
        /// What kind of problem it is.
        #[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, ToSchema)]
        #[serde(rename_all = "snake_case")]
        pub enum Code {
            $($(#[$meta])* $name),+
        }

        impl Code {
            /// Its HTTP status.
            #[must_use]
            pub const fn status(self) -> StatusCode {
                match self { $(Self::$name => StatusCode::$status),+ }
            }

            /// Its title.
            #[must_use]
            pub const fn title(self) -> &'static str {
                match self { $(Self::$name => $title),+ }
            }
        }
    };
}

codes! {
    /// A number outside its bound.
    OutOfBounds = UNPROCESSABLE_ENTITY, "Out of bounds";
    /// A machine that cannot be.
    NoSuchMachine = UNPROCESSABLE_ENTITY, "Cannot be";
    /// The spit does not hold it.
    NotOnTheSpit = UNPROCESSABLE_ENTITY, "Does not hold";
    /// Weights of all and the number of pieces differ.
    Weighed = UNPROCESSABLE_ENTITY, "Does not go together";
    /// A rack that is not there.
    NoSuchLevel = UNPROCESSABLE_ENTITY, "Does not fit";
    /// Poultry below its safe minimum.
    BelowPoultryFloor = UNPROCESSABLE_ENTITY, "Below the safe minimum";
    /// Below the safe minimum, and not acknowledged.
    NeedsAcknowledgement = UNPROCESSABLE_ENTITY, "Below the safe minimum";
    /// Below the safe minimum, with somebody at risk at the table.
    NoWaiver = UNPROCESSABLE_ENTITY, "Below the safe minimum";
    /// Rolled, stuffed or tenderised meat below its safe minimum.
    BelowHandledFloor = UNPROCESSABLE_ENTITY, "Below the safe minimum";
    /// Too long warm, raw, or cooked and not hot.
    ClockOverrun = UNPROCESSABLE_ENTITY, "Too long to be safe";
    /// Not something that is done to this cut.
    NotHandled = UNPROCESSABLE_ENTITY, "Does not go together";
    /// Not cooked straight from the freezer.
    NotFromFrozen = UNPROCESSABLE_ENTITY, "Thaw it first";
    /// Water boils before the core is there.
    OutOfReach = UNPROCESSABLE_ENTITY, "Out of reach";
    /// Taken out and never put back.
    TakenOut = UNPROCESSABLE_ENTITY, "Does not go together";
    /// Batches that are not all the pieces.
    Split = UNPROCESSABLE_ENTITY, "Does not go together";
    /// The core never gets there.
    NeverReached = UNPROCESSABLE_ENTITY, "Never gets there";
    /// It does not fit below the element.
    TooTall = UNPROCESSABLE_ENTITY, "Does not fit";
    /// Hotter than the machine goes.
    AboveCeiling = UNPROCESSABLE_ENTITY, "Hotter than the machine";
    /// Cooler than the machine goes.
    BelowLowest = UNPROCESSABLE_ENTITY, "Cooler than the machine";
    /// A part of the programme hotter than the machine goes.
    NotOnTheDial = UNPROCESSABLE_ENTITY, "Hotter than the machine";
    /// Thickness and weight contradict one another.
    ThicknessOfWeight = UNPROCESSABLE_ENTITY, "Does not go together";
    /// One piece is larger than the machine.
    TooLargeAPiece = UNPROCESSABLE_ENTITY, "Does not fit";
    /// More batches than anybody cooks.
    TooManyBatches = UNPROCESSABLE_ENTITY, "Too many";
    /// The machine has nothing to hold it that way.
    CannotHold = UNPROCESSABLE_ENTITY, "Does not hold";
    /// A layout by hand of other pieces.
    LaidOut = UNPROCESSABLE_ENTITY, "Does not go together";
    /// Planned for when everything is out.
    AfterTheEnd = UNPROCESSABLE_ENTITY, "Everything is out by then";
    /// No setting is fast enough.
    TooSoon = UNPROCESSABLE_ENTITY, "Too soon";
    /// A value that makes no sense.
    Invalid = UNPROCESSABLE_ENTITY, "Not understood";
    /// The request could not be read.
    Malformed = BAD_REQUEST, "Could not be read";
    /// The body is over the limit.
    TooLarge = PAYLOAD_TOO_LARGE, "Too large";
    /// Not sent as JSON.
    NotJson = UNSUPPORTED_MEDIA_TYPE, "Could not be read";
    /// Nothing there.
    NotFound = NOT_FOUND, "Not found";
    /// The path is answered, with other methods.
    MethodNotAllowed = METHOD_NOT_ALLOWED, "Not done this way";
    /// The name is taken.
    NameTaken = CONFLICT, "Does not fit";
    /// The identity is that of something else.
    IdTaken = CONFLICT, "Does not fit";
    /// The cook is closed.
    AlreadyFinished = CONFLICT, "Does not fit";
    /// The cook is under way.
    AlreadyStarted = CONFLICT, "Does not fit";
    /// The cook has not begun.
    NotStarted = CONFLICT, "Does not fit";
    /// Something was told since that rests on it.
    ToldSince = CONFLICT, "Does not fit";
    /// The task is not part of the supper any more.
    NoSuchTask = CONFLICT, "Does not fit";
    /// What is stored cannot be read.
    Unreadable = CONFLICT, "Cannot be read";
    /// Somebody else changed it first.
    Changed = PRECONDITION_FAILED, "Changed meanwhile";
    /// A host name that is not this server's.
    ForeignHost = MISDIRECTED_REQUEST, "Not this server";
    /// A page of somebody else.
    ForeignOrigin = FORBIDDEN, "Not from here";
    /// The database does not answer.
    DatabaseDown = SERVICE_UNAVAILABLE, "Not available";
    /// There is no room on the database's disk.
    DatabaseFull = INSUFFICIENT_STORAGE, "No room";
    /// Too many ask the database at once, or somebody else is changing the same thing.
    DatabaseBusy = SERVICE_UNAVAILABLE, "Busy";
    /// Somebody sends too often.
    TooOften = TOO_MANY_REQUESTS, "Too often";
    /// The request took too long to come.
    TooSlow = REQUEST_TIMEOUT, "Too slow";
    /// Whoever asks has not signed in.
    NotSignedIn = UNAUTHORIZED, "Sign in first";
    /// Name and passphrase do not belong together.
    NotLetIn = FORBIDDEN, "Not let in";
    /// Too many tries to get in.
    TooManyTries = TOO_MANY_REQUESTS, "Too many tries";
    /// The kitchen holds as many as it may.
    Full = INSUFFICIENT_STORAGE, "Full";
    /// Too many plans are asked for at once.
    Busy = SERVICE_UNAVAILABLE, "Busy";
    /// A fault of ours.
    Fault = INTERNAL_SERVER_ERROR, "Our fault";
}

impl Problem {
    /// Of a kind, with its words.
    #[must_use]
    pub fn new(code: Code, message: &Message) -> Self {
        Self {
            kind: format!("/problems/{}", code.word()),
            title: code.title(),
            status: code.status().as_u16(),
            code,
            detail: message.metric(),
            message: message.into(),
            field: None,
            value: None,
            min: None,
            max: None,
            unit: None,
            equivalent_min: None,
            division: None,
            instance: NAMED.try_with(|id| format!("urn:uuid:{id}")).ok(),
            current: None,
        }
    }
}

impl Code {
    /// As it is written.
    #[must_use]
    pub fn word(self) -> String {
        let word = serde_json::to_value(self).ok();
        let word = word.as_ref().and_then(Value::as_str);
        word.unwrap_or_default().to_owned()
    }
}

/// Seconds after which what is busy may be asked again.
const AGAIN: &str = "1";

/// A problem as a response.
#[must_use]
pub fn respond(problem: &Problem) -> HttpResponse {
    let status = problem.code.status();
    let mut response = HttpResponse::build(status);
    response.content_type("application/problem+json");
    if matches!(
        status,
        StatusCode::SERVICE_UNAVAILABLE | StatusCode::TOO_MANY_REQUESTS
    ) {
        response.insert_header((header::RETRY_AFTER, AGAIN));
    }
    if status == StatusCode::UNAUTHORIZED {
        // RFC 9110 (11.6.1) wants one; there is no registered name for a page that asks.
        response.insert_header((header::WWW_AUTHENTICATE, "Session realm=\"kitchen\""));
    }
    response.json(problem)
}
