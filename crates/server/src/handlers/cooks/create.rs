use actix_web::web::Query;
use actix_web::{HttpResponse, post};
use ember_core::plan::{Request, plan};
use uuid::Uuid;

use crate::admission::Cost;
use crate::body::Body;
use crate::cooks;
use crate::documents::NewId;
use crate::dto::cook::{CookDto, NewCookDto};
use crate::dto::plan::PlanDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{text, times};

/// Keeps a cook: the request, and the plan computed for it.
#[utoipa::path(
    operation_id = "create_cook",
    tag = "cooks",
    request_body = NewCookDto,
    params(NewId),
    responses(
        (status = 201, body = CookDto, headers(("Location" = String), ("ETag" = String))),
        (status = 200, description = "It was there already.", body = CookDto),
        (status = 409, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/cooks")]
pub async fn create(
    kitchen: Kitchen,
    query: Query<NewId>,
    body: Body<NewCookDto>,
) -> Result<HttpResponse, ApiError> {
    let new = body.into_inner();
    let request = Request::try_from(&new.request)?;
    if let Some(at) = new.eat_at {
        times::checked("eat_at", at)?;
    }
    let name = match &new.name {
        Some(name) => text::named("name", name, text::NAME)?.to_owned(),
        None => cooks::usual_name(&request),
    };
    let plan = kitchen
        .compute(Cost::Cheap, move || Ok(PlanDto::from(&plan(&request)?)))
        .await?;
    let (id, now) = (query.id.unwrap_or_else(Uuid::new_v4), kitchen.now());
    let made = kitchen
        .query(move |connection| cooks::keep(connection, id, &name, &new, &plan, now))
        .await?;
    let cook = made.thing();
    Ok(made.answer(&format!("/api/cooks/{}", cook.id), cook.revision))
}
