use actix_web::web::Path;
use actix_web::{HttpResponse, put};
use ember_core::plan::{Request, plan};
use uuid::Uuid;

use crate::admission::Cost;
use crate::body::Body;
use crate::documents::{self, Seen};
use crate::dto::cook::{CookDto, NewCookDto};
use crate::dto::plan::PlanDto;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;
use crate::{cooks, text, times};

/// Plans a cook anew that has not begun. A name that was made from the sentence follows it.
#[utoipa::path(
    operation_id = "replace_cook",
    tag = "cooks",
    request_body = NewCookDto,
    params(("If-Match" = Option<String>, Header, description = "The ETag that was seen.")),
    responses(
        (status = 200, body = CookDto, headers(("ETag" = String))),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 412, body = Problem, content_type = "application/problem+json"),
    )
)]
#[put("/cooks/{id}")]
pub async fn replace(
    kitchen: Kitchen,
    id: Path<Uuid>,
    seen: Seen,
    body: Body<NewCookDto>,
) -> Result<HttpResponse, ApiError> {
    let (id, new, now) = (id.into_inner(), body.into_inner(), kitchen.now());
    let request = Request::try_from(&new.request)?;
    if let Some(at) = new.eat_at {
        times::checked("eat_at", at)?;
    }
    if let Some(name) = &new.name {
        text::named("name", name, text::NAME)?;
    }
    let plan = kitchen
        .compute(Cost::Cheap, move || Ok(PlanDto::from(&plan(&request)?)))
        .await?;
    let cook = kitchen
        .query(move |connection| cooks::plan_anew(connection, id, &seen, &new, &plan, now))
        .await?;
    Ok(documents::answer(&cook, cook.revision))
}
