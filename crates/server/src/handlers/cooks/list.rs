use actix_web::get;
use actix_web::web::{Json, Query};

use crate::cooks;
use crate::db::cooks::{Found, How, Page as Wanted, State};
use crate::documents::Page;
use crate::dto::cook::{CookPageDto, FoundDto, HowDto, PageQuery, StateDto};
use crate::error::ApiError;
use crate::kitchen::Kitchen;
use crate::text;

/// Cooks on a page when not said.
const PER_PAGE: i64 = 20;

/// Cooks, newest first.
#[utoipa::path(
    operation_id = "list_cooks",
    tag = "cooks",
    params(PageQuery),
    responses((status = 200, body = CookPageDto))
)]
#[get("/cooks")]
pub async fn list(
    kitchen: Kitchen,
    query: Query<PageQuery>,
) -> Result<Json<CookPageDto>, ApiError> {
    let query = query.into_inner();
    let page = Page::of(query.page, query.per_page, PER_PAGE)?;
    if let Some(words) = &query.q {
        text::named("q", words, text::SEARCH)?;
    }
    if let Some(machine) = &query.machine {
        text::named("machine", machine, text::MACHINE_NAME)?;
    }
    let cut = query.cut.map(serde_json::to_value).transpose()?;
    let wanted = Wanted {
        cut: cut.and_then(|cut| cut.as_str().map(str::to_owned)),
        machine: query.machine,
        found: query.found.map(|found| match found {
            FoundDto::Raw => Found::Raw,
            FoundDto::Right => Found::Right,
            FoundDto::Dry => Found::Dry,
            FoundDto::Soft => Found::Soft,
        }),
        how: query.how.map(How::from),
        months: query
            .season
            .map_or_else(Vec::new, |season| season.months().to_vec()),
        state: query.state.map(|state| match state {
            StateDto::Planned => State::Planned,
            StateDto::Running => State::Running,
            StateDto::Finished => State::Finished,
        }),
        search: query.q,
        slice: page.into(),
    };
    let read = kitchen
        .query(move |connection| cooks::page(connection, &wanted))
        .await?;
    Ok(Json(CookPageDto::of(read, page)))
}

impl From<HowDto> for How {
    fn from(wire: HowDto) -> Self {
        match wire {
            HowDto::Bare => Self::Bare,
            HowDto::Covered => Self::Covered,
            HowDto::Parboiled => Self::Parboiled,
            HowDto::Own => Self::Own,
            HowDto::Frozen => Self::Frozen,
            HowDto::Crumbed => Self::Crumbed,
            HowDto::Sauced => Self::Sauced,
            HowDto::Spit => Self::Spit,
            HowDto::TwoSettings => Self::TwoSettings,
        }
    }
}
