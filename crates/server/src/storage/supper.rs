//! Suppers as they are stored: what is wanted with what has begun, and what was reported.

use chrono::{DateTime, Utc};
use serde_json::{Value, json};
use uuid::Uuid;

use super::sentence::Sentence;
use super::side::Side;
use super::{Document, Upgrade, Versioned, stored};
use crate::dto::supper::{
    BegunDto, QuietDto, ReportedDto, SupperCookDto, SupperDishDto, SupperDto, SupperReportDto,
};

stored!(
    /// Hours at which nobody works.
    Quiet = QuietDto {
        same from: String,
        same to: String,
        same zone: String,
    }
);

stored!(
    /// A cook of a supper.
    SupperCook = SupperCookDto {
        doc request: Versioned<Sentence>,
        #[serde(default)]
        same method: Option<String>,
    }
);

stored!(
    /// A dish of a supper.
    SupperDish = SupperDishDto {
        same id: Option<String>,
        #[serde(default)]
        maybe cook: Option<SupperCook>,
        #[serde(default)]
        maybe_doc side: Option<Versioned<Side>>,
    }
);

stored!(
    /// A task that has begun.
    Begun = BegunDto {
        same dish: String,
        same task: String,
        same start_at: DateTime<Utc>,
        same end_at: DateTime<Utc>,
        same moments: u32,
    }
);

stored!(
    /// A supper.
    Supper = SupperDto {
        same name: String,
        #[serde(default)]
        same serve_at: Option<DateTime<Utc>>,
        #[serde(default)]
        same leave_by: Option<DateTime<Utc>>,
        same eaters: u32,
        same hands: u32,
        same rings: u32,
        same shelves: u32,
        #[serde(default)]
        maybe quiet: Option<Quiet>,
        each dishes: Vec<SupperDish>,
        #[serde(default)]
        each begun: Vec<Begun>,
    }
);

/// Dishes had no identities in version 1, and what had begun was known by numbers.
fn identities(supper: &mut Value) {
    let dishes = supper.get_mut("dishes").and_then(Value::as_array_mut);
    for (number, dish) in dishes.into_iter().flatten().enumerate() {
        if let Some(dish) = dish.as_object_mut() {
            dish.insert("id".to_owned(), json!((number + 1).to_string()));
        }
    }
    let begun = supper.get_mut("begun").and_then(Value::as_array_mut);
    for one in begun.into_iter().flatten().filter_map(Value::as_object_mut) {
        let number = |name: &str| one.get(name).and_then(Value::as_u64).unwrap_or(0);
        let (dish, task) = (number("dish") + 1, number("task"));
        one.insert("dish".to_owned(), json!(dish.to_string()));
        one.insert("task".to_owned(), json!(format!("#{task}")));
        // Before moments were counted, what had begun had its first one done.
        one.entry("moments").or_insert(json!(1));
    }
}

/// Sides had one piece of work and one wait in version 2; each is a step now, known by its number until it is
/// told again.
fn chains(supper: &mut Value) {
    let begun = supper.get_mut("begun").and_then(Value::as_array_mut);
    for one in begun.into_iter().flatten().filter_map(Value::as_object_mut) {
        let number = match one.get("task").and_then(Value::as_str) {
            Some("work") => "#0",
            Some("stand") => "#1",
            _ => continue,
        };
        one.insert("task".to_owned(), json!(number));
    }
}

impl Document for Supper {
    const UPGRADES: &'static [Upgrade] = &[identities, chains];
}

/// A report about a moment of a supper.
#[derive(Debug, Clone, PartialEq, serde::Serialize, serde::Deserialize)]
pub struct SupperReport {
    /// Identity of the dish.
    pub dish: String,
    /// Key of its task.
    pub task: String,
    /// Which of its moments.
    pub moment: u32,
    /// What.
    pub what: ReportedDto,
    /// What is taken back.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub event: Option<Uuid>,
}

impl Document for SupperReport {}

/// What had begun before something was told, so that it can be taken back.
#[derive(Debug, Clone, PartialEq, serde::Serialize, serde::Deserialize)]
pub struct BegunBefore {
    /// As it stood.
    pub begun: Vec<Begun>,
}

impl Document for BegunBefore {}

impl From<&SupperReportDto> for SupperReport {
    fn from(dto: &SupperReportDto) -> Self {
        Self {
            dish: dto.dish.clone(),
            task: dto.task.clone(),
            moment: dto.moment,
            what: dto.what,
            event: dto.event,
        }
    }
}
