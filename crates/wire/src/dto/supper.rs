//! A supper on the wire: what is wanted, and everything in its place.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::cook::StateDto;
use super::plan::PictureDto;
use super::preparation::AmountDto;
use super::quantity::MessageDto;
use super::request::RequestDto;
use super::side::SideDto;
use crate::pages::page;

/// Tasks of a supper that have begun, at the most.
pub const MOST_BEGUN: usize = 120;

/// What is wanted.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SupperDto {
    /// The cook's name for it.
    pub name: String,
    /// When it is on the table; absent for as soon as it can be.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub serve_at: Option<DateTime<Utc>>,
    /// From when nobody is in the kitchen, instead of a time for the table.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub leave_by: Option<DateTime<Utc>>,
    /// Eaters.
    pub eaters: u32,
    /// Cooks.
    pub hands: u32,
    /// Rings of the hob.
    pub rings: u32,
    /// Shelves of the fridge that are free.
    pub shelves: u32,
    /// When nobody works.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub quiet: Option<QuietDto>,
    /// What is cooked.
    pub dishes: Vec<SupperDishDto>,
    /// What has begun or is done.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub begun: Vec<BegunDto>,
}

/// Hours of the clock at which nobody works.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct QuietDto {
    /// From, as 22:00.
    pub from: String,
    /// To, as 07:00.
    pub to: String,
    /// Time zone of the clock, as Europe/London.
    pub zone: String,
}

/// A cook or a side dish: one of the two.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SupperDishDto {
    /// Its identity in this supper; made when absent.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub id: Option<String>,
    /// A cook.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub cook: Option<SupperCookDto>,
    /// A side dish.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side: Option<SideDto>,
}

/// A cook of a supper.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SupperCookDto {
    /// The sentence.
    pub request: RequestDto,
    /// The method of getting it ready; absent for what the sentence says.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub method: Option<String>,
}

/// A task that has begun or is done.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct BegunDto {
    /// Identity of the dish.
    pub dish: String,
    /// Key of its task.
    pub task: String,
    /// When it began.
    pub start_at: DateTime<Utc>,
    /// When it ends, as is known now.
    pub end_at: DateTime<Utc>,
    /// How many of its moments of hands are done; none where it is only put off.
    #[serde(default = "its_first")]
    pub moments: u32,
}

const fn its_first() -> u32 {
    1
}

/// Everything in its place, or why that cannot be.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SupperPlanDto {
    /// When it is served.
    pub serve_at: DateTime<Utc>,
    /// When the first task begins.
    pub begins_at: DateTime<Utc>,
    /// Whether every order was looked at.
    pub proven: bool,
    /// Places.
    pub lanes: Vec<LaneDto>,
    /// Dishes.
    pub dishes: Vec<ScheduledDto>,
    /// Everything by the clock: when hands are needed.
    pub agenda: Vec<AgendaDto>,
    /// What moved against the schedule before.
    pub moved: Vec<MovedDto>,
    /// What to buy.
    pub shopping: Vec<ShoppingDto>,
    /// Why it does not work; then everything stands where it is asked for.
    pub infeasibility: Option<MessageDto>,
    /// Where too much is asked for.
    #[serde(default)]
    #[schema(required = true)]
    pub clashes: Vec<ClashDto>,
    /// What would make it work.
    pub alternatives: Vec<SupperAlternativeDto>,
    /// Whether there may be more: only what is found at once was looked for.
    #[serde(default)]
    #[schema(required = true)]
    pub more: bool,
}

/// A place.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct LaneDto {
    /// What it is.
    #[serde(default = "a_machine")]
    pub kind: LaneKindDto,
    /// The cook's word.
    pub name: String,
    /// Things it holds at once.
    pub levels: u32,
}

/// What kind of place it is.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LaneKindDto {
    /// An air fryer or an oven.
    Machine,
    /// The rings of the hob.
    Hob,
    /// The shelves of the fridge.
    Fridge,
}

/// What a dish loses by waiting.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum LossDto {
    /// Nothing.
    Nothing,
    /// Little.
    Little,
    /// Much.
    Much,
}

const fn a_machine() -> LaneKindDto {
    LaneKindDto::Machine
}

/// A dish in its place.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ScheduledDto {
    /// Its identity in this supper.
    pub id: String,
    /// The cook's name for it.
    pub name: String,
    /// When it is ready.
    pub ready_at: DateTime<Utc>,
    /// What it loses by waiting.
    pub loses: LossDto,
    /// Its tasks.
    pub tasks: Vec<ScheduledTaskDto>,
    /// What goes on the meat of a cook.
    #[serde(default)]
    #[schema(required = true)]
    pub amounts: Vec<AmountDto>,
    /// The strip of a cook, from when the meat goes in.
    pub picture: Option<PictureDto>,
    /// The dial of a cook when the meat goes in.
    pub setting_c: Option<f64>,
    /// How long it stays at that from loading, before the dial changes or it comes out: for the machine's
    /// own timer.
    #[serde(default)]
    pub timer_s: Option<f64>,
    /// Until when it cooks.
    pub core_target_c: Option<f64>,
    /// When the meat of a cook goes in.
    pub load_at: Option<DateTime<Utc>>,
}

/// A task in its place.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ScheduledTaskDto {
    /// Which of the dish's tasks: the same for as long as it is the same task.
    pub key: String,
    /// What.
    pub name: String,
    /// From.
    pub start_at: DateTime<Utc>,
    /// To.
    pub end_at: DateTime<Utc>,
    /// Place, by its number; nothing on the counter.
    pub lane: Option<u32>,
    /// Whether it has begun.
    pub begun: bool,
}

/// A moment that needs hands.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct AgendaDto {
    /// When.
    pub at: DateTime<Utc>,
    /// Until.
    pub end_at: DateTime<Utc>,
    /// What.
    pub what: String,
    /// Of which dish, by its number.
    pub dish: u32,
    /// Of which task.
    pub task: u32,
    /// Which of its moments, from 0.
    #[serde(default)]
    #[schema(required = true)]
    pub moment: u32,
    /// The steps of the cook's plan that it stands for, by their numbers; none outside a cook.
    #[serde(default)]
    #[schema(required = true)]
    pub steps: Vec<u32>,
    /// Why, with numbers.
    #[serde(default)]
    #[schema(required = true)]
    pub notes: Vec<MessageDto>,
    /// What can hurt.
    pub caution: Option<String>,
}

/// A task that moved.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct MovedDto {
    /// What.
    pub what: String,
    /// From.
    pub from: DateTime<Utc>,
    /// To.
    pub to: DateTime<Utc>,
}

/// Something to buy.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ShoppingDto {
    /// What.
    pub what: String,
    /// How much.
    pub mass_g: f64,
    /// The same in spoons and cups.
    pub spoons: Option<String>,
    /// The cook it is for, by the number of its dish.
    pub dish: Option<u32>,
    /// What so many eaters need, where that is known.
    pub needed_g: Option<f64>,
    /// Whether it is clearly less than that.
    #[serde(default)]
    #[schema(required = true)]
    pub too_little: bool,
    /// An allergen it often brings.
    pub allergen: Option<String>,
}

/// A change that would make a supper work.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SupperAlternativeDto {
    /// What to change, in words.
    pub words: MessageDto,
    /// What that does, besides making it possible.
    pub effect: Option<String>,
    /// When it is served then.
    pub serve_at: DateTime<Utc>,
    /// Whether it is only another time.
    pub later: bool,
    /// The supper with it; nothing where something must be bought or borrowed first.
    pub supper: Option<SupperDto>,
}

/// How long is looked for what would make a supper work.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum AlternativesDto {
    /// Only what is found at once.
    First,
    /// Everything.
    All,
}

/// What is asked besides.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct LookingForDto {
    /// How long is looked for what would make it work; everything where it is not said.
    #[param(inline)]
    pub alternatives: Option<AlternativesDto>,
}

/// Where too much is asked for.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct ClashDto {
    /// From.
    pub start_at: DateTime<Utc>,
    /// To.
    pub end_at: DateTime<Utc>,
    /// Place, by its number; nothing for the counter and for hands.
    pub lane: Option<u32>,
    /// Whether it is hands there are not enough of.
    pub hands: bool,
    /// What is in the way of what.
    pub what: String,
}

/// A supper of the kitchen.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct KeptSupperDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// What is wanted, with what has begun.
    pub supper: SupperDto,
    /// As it was scheduled last.
    pub plan: SupperPlanDto,
    /// Its dishes that are followed at the fryer, each by a cook of its own.
    pub cooks: Vec<FollowedDto>,
    /// What was told last and stands, which can be taken back.
    pub last: Option<ToldDto>,
}

/// A dish that is followed at the fryer. Its cook has the say on when it is turned and comes out, and
/// the supper is planned around that.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct FollowedDto {
    /// Identity of the dish.
    pub dish: String,
    /// The cook that follows it.
    pub cook: Uuid,
    /// Where that stands.
    pub state: StateDto,
}

/// Something that was told of a supper.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ToldDto {
    /// Under which identity.
    pub id: Uuid,
    /// When.
    pub at: DateTime<Utc>,
    /// Identity of the dish.
    pub dish: String,
    /// Key of its task.
    pub task: String,
    /// Which of its moments.
    pub moment: u32,
    /// What.
    pub what: ReportedDto,
}

/// A report about a moment of a supper. The id is made by whoever reports, so that a report sent
/// twice counts once.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SupperReportDto {
    /// Identity of the report.
    pub id: Uuid,
    /// How long ago it happened, by the reporter's own clock; the server's clock dates it.
    #[serde(default)]
    pub ago_s: f64,
    /// Identity of the dish.
    pub dish: String,
    /// Key of its task.
    pub task: String,
    /// Which of the task's moments of hands, from 0.
    #[serde(default)]
    pub moment: u32,
    /// What is reported.
    pub what: ReportedDto,
    /// With `undone`: the identity of what is taken back.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub event: Option<Uuid>,
}

/// What is reported of a moment.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ReportedDto {
    /// Its task begins now.
    Begun,
    /// It is done.
    Done,
    /// Five minutes more, or five minutes later.
    Later,
    /// What was told last of this dish did not happen.
    Undone,
}

/// A supper in a list.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SupperRowDto {
    /// Identity.
    pub id: Uuid,
    /// Changes so far, counted from 1; the ETag.
    pub revision: i32,
    /// The cook's name for it.
    pub name: String,
    /// When it was planned.
    pub created_at: DateTime<Utc>,
    /// What there is to know of it.
    #[serde(flatten)]
    pub summary: SupperSummaryDto,
}

page!(
    /// Suppers of the kitchen.
    SupperPageDto of SupperRowDto
);

/// What a list tells of a supper.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SupperSummaryDto {
    /// Eaters.
    pub eaters: u32,
    /// When it is served.
    pub serve_at: DateTime<Utc>,
    /// When the first task begins.
    pub begins_at: DateTime<Utc>,
    /// Whether it goes as it is asked for.
    pub feasible: bool,
    /// Whether anything has begun.
    pub under_way: bool,
    /// Its dishes.
    pub dishes: Vec<SupperRowDishDto>,
}

/// A dish of a supper in a list.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct SupperRowDishDto {
    /// The cook's name for it.
    pub name: String,
    /// The strip of a cook, small.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub picture: Option<PictureDto>,
}

impl SupperPlanDto {
    /// The moments of a task of a dish.
    pub fn moments_of(&self, dish: &str, task: &str) -> impl Iterator<Item = &AgendaDto> {
        self.agenda.iter().filter(move |moment| {
            let own = self.dishes.get(moment.dish as usize);
            own.is_some_and(|own| {
                let key = own.tasks.get(moment.task as usize).map(|task| &task.key);
                own.id == dish && key.is_some_and(|key| key == task)
            })
        })
    }
}

impl SupperSummaryDto {
    /// Of a supper in its place.
    #[must_use]
    pub fn of(supper: &SupperDto, plan: &SupperPlanDto) -> Self {
        Self {
            eaters: supper.eaters,
            serve_at: plan.serve_at,
            begins_at: plan.begins_at,
            feasible: plan.infeasibility.is_none(),
            under_way: !supper.begun.is_empty(),
            dishes: plan
                .dishes
                .iter()
                .map(|dish| SupperRowDishDto {
                    name: dish.name.clone(),
                    picture: dish.picture.as_ref().map(PictureDto::thumbnail),
                })
                .collect(),
        }
    }
}
