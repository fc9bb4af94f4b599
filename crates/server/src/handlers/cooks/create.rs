use actix_web::web::{Data, Json};
use actix_web::{HttpResponse, post};
use ember_core::plan::{MODEL_VERSION, Request, plan};
use uuid::Uuid;

use super::{checked_name, whole};
use crate::context::Context;
use crate::db;
use crate::db::models::NewCook;
use crate::dto::cook::{CookDto, NewCookDto};
use crate::dto::plan::PlanDto;
use crate::error::{ApiError, Problem};

/// Keeps a cook: the request, and the plan computed for it.
#[utoipa::path(
    operation_id = "create_cook",
    tag = "cooks",
    responses(
        (status = 201, body = CookDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks")]
pub async fn create(
    context: Data<Context>,
    body: Json<NewCookDto>,
) -> Result<HttpResponse, ApiError> {
    let new = body.into_inner();
    let request = Request::try_from(&new.request)?;
    let name = match &new.name {
        Some(name) => checked_name(name)?,
        None => format!(
            "{} {}",
            request.pieces,
            request.entry().noun(request.pieces)
        ),
    };
    let plan = context
        .compute(move || Ok(PlanDto::from(&plan(&request)?)))
        .await?;
    let row = NewCook {
        id: Uuid::new_v4(),
        name,
        cut: new.request.search_words(),
        request: serde_json::to_value(&new.request)?,
        plan: serde_json::to_value(&plan)?,
        model_version: MODEL_VERSION,
        eat_at: new.eat_at,
        created_at: context.now(),
    };
    let shared = context.clone();
    let cook = context
        .query(move |connection| {
            db::cooks::insert(connection, &row)?;
            whole(&shared, connection, row.id)
        })
        .await?;
    Ok(HttpResponse::Created().json(cook))
}
