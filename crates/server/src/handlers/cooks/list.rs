use actix_web::get;
use actix_web::web::{Data, Json, Query};
use uuid::Uuid;

use crate::context::Context;
use crate::db;
use crate::db::cooks::{Page, State};
use crate::dto::cook::{CookPageDto, CookRowDto, PageQuery, StateDto};
use crate::error::{ApiError, Problem};

/// Cooks on a page when not said.
const PER_PAGE: i64 = 20;
/// Most cooks on a page.
const MOST_PER_PAGE: i64 = 100;
/// Longest search, letters.
const SEARCH_LIMIT: usize = 100;
/// No kitchen has so many pages; keeps the offset far from overflow.
const MOST_PAGES: i64 = 100_000;

/// Cooks, newest first.
#[utoipa::path(
    operation_id = "list_cooks",
    tag = "cooks",
    params(PageQuery),
    responses(
        (status = 200, body = CookPageDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/cooks")]
pub async fn list(
    context: Data<Context>,
    query: Query<PageQuery>,
) -> Result<Json<CookPageDto>, ApiError> {
    let query = query.into_inner();
    let page = within("page", query.page.unwrap_or(1), MOST_PAGES)?;
    let per_page = within(
        "per_page",
        query.per_page.unwrap_or(PER_PAGE),
        MOST_PER_PAGE,
    )?;
    if let Some(text) = &query.q
        && text.chars().count() > SEARCH_LIMIT
    {
        return Err(ApiError::Invalid {
            field: "q",
            detail: format!("a search has at most {SEARCH_LIMIT} letters"),
        });
    }
    let wanted = Page {
        state: query.state.map(|state| match state {
            StateDto::Planned => State::Planned,
            StateDto::Running => State::Running,
            StateDto::Finished => State::Finished,
        }),
        search: query.q,
        offset: (page - 1) * per_page,
        limit: per_page,
    };
    let (items, total) = context
        .query(move |connection| {
            let (rows, total) = db::cooks::list(connection, &wanted)?;
            let ids: Vec<Uuid> = rows.iter().map(|row| row.id).collect();
            let events = db::cooks::events_of(connection, &ids)?;
            let items: Result<Vec<CookRowDto>, ApiError> = rows
                .into_iter()
                .map(|row| {
                    let own = events.iter().filter(|event| event.cook_id == row.id);
                    let own = own.cloned().collect();
                    CookRowDto::read(row, own)
                })
                .collect();
            Ok((items?, total))
        })
        .await?;
    Ok(Json(CookPageDto {
        items,
        total,
        page,
        per_page,
    }))
}

fn within(field: &'static str, value: i64, most: i64) -> Result<i64, ApiError> {
    if (1..=most).contains(&value) {
        Ok(value)
    } else {
        Err(ApiError::Invalid {
            field,
            detail: format!("{field} is {value}, not within 1-{most}"),
        })
    }
}
