use actix_web::get;
use actix_web::web::Json;

use crate::dto::exercise::ExerciseDto;

/// The exercises there are, in the order of the work.
#[utoipa::path(
    operation_id = "list_exercises",
    tag = "exercises",
    responses((status = 200, body = Vec<ExerciseDto>))
)]
#[get("/exercises")]
pub async fn list() -> Json<Vec<ExerciseDto>> {
    Json(ExerciseDto::all())
}
