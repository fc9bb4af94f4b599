use actix_web::http::header::ContentDisposition;
use actix_web::web::Path;
use actix_web::{HttpResponse, get};
use serde::Deserialize;
use serde_json::json;
use utoipa::ToSchema;
use uuid::Uuid;

use crate::db;
use crate::error::{ApiError, Problem};
use crate::kitchen::Kitchen;

/// What is stored as documents.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum StoredKind {
    /// Cooks with their plans.
    Cooks,
    /// Suppers with their schedules.
    Suppers,
    /// Machines.
    Machines,
    /// Methods.
    Methods,
    /// Recipes.
    Recipes,
    /// Side dishes.
    Sides,
}

/// A document as it is stored, whatever it holds: also one that cannot be shown.
#[utoipa::path(
    operation_id = "export_stored",
    tag = "kitchen",
    params(
        ("kind" = inline(StoredKind), Path, description = "What it is."),
        ("id" = Uuid, Path, description = "Identity."),
    ),
    responses(
        (status = 200, body = serde_json::Value),
        (status = 404, body = Problem, content_type = "application/problem+json"),
    )
)]
#[get("/stored/{kind}/{id}")]
pub async fn export(
    kitchen: Kitchen,
    path: Path<(StoredKind, Uuid)>,
) -> Result<HttpResponse, ApiError> {
    let (kind, id) = path.into_inner();
    let found = kitchen
        .query(move |connection| {
            Ok(match kind {
                StoredKind::Cooks => {
                    let cook = db::cooks::find_any(connection, id)?;
                    let events = db::cooks::events(connection, id)?;
                    let events: Vec<_> = events
                        .into_iter()
                        .map(|event| json!({ "at": event.at, "happening": event.happening }))
                        .collect();
                    cook.map(|cook| {
                        json!({
                            "name": cook.name, "request": cook.request, "plan": cook.plan,
                            "started_at": cook.started_at, "finished_at": cook.finished_at,
                            "events": events,
                        })
                    })
                }
                StoredKind::Suppers => db::suppers::find_any(connection, id)?.map(|supper| {
                    json!({
                        "name": supper.name, "document": supper.document,
                        "scheduled": supper.scheduled,
                    })
                }),
                StoredKind::Machines => db::machines::find_any(connection, id)?
                    .map(|machine| json!({ "name": machine.name, "profile": machine.profile })),
                StoredKind::Methods => db::cards::find_any(connection, (id, "method"))?
                    .map(|card| json!({ "name": card.name, "document": card.document })),
                StoredKind::Sides => db::cards::find_any(connection, (id, "side"))?
                    .map(|card| json!({ "name": card.name, "document": card.document })),
                StoredKind::Recipes => db::cards::find_any(connection, (id, "recipe"))?
                    .map(|card| json!({ "name": card.name, "document": card.document })),
            })
        })
        .await?;
    let found = found.ok_or(ApiError::NotFound("document"))?;
    Ok(HttpResponse::Ok()
        .insert_header(ContentDisposition::attachment("stored.json"))
        .json(found))
}
