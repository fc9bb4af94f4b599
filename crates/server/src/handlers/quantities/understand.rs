use actix_web::post;
use actix_web::web::Json;
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{ParseError, parse_length, parse_mass, parse_temperature};

use crate::dto::quantity::{TypedDto, TypedFieldDto, UnderstoodDto};
use crate::error::{ApiError, Problem};

/// Longest text that is looked at, letters.
const TEXT_LIMIT: usize = 40;

/// Reads what a cook typed: "1 1/4 lb", "3/4 in", "375F".
#[utoipa::path(
    operation_id = "understand_quantity",
    tag = "plans",
    responses(
        (status = 200, body = UnderstoodDto),
        (status = 422, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/quantities")]
pub async fn understand(body: Json<TypedDto>) -> Result<Json<UnderstoodDto>, ApiError> {
    let bound = bound_of(body.field);
    if body.text.chars().count() > TEXT_LIMIT {
        return Err(ApiError::Invalid {
            field: bound.field,
            detail: format!("write it in at most {TEXT_LIMIT} letters"),
        });
    }
    let value = parse(&body).map_err(|error| ApiError::Invalid {
        field: bound.field,
        detail: error.to_string(),
    })?;
    Ok(Json(UnderstoodDto {
        value: bound.check(value)?,
    }))
}

fn bound_of(field: TypedFieldDto) -> Bound {
    match field {
        TypedFieldDto::PieceMassG => bounds::PIECE_MASS,
        TypedFieldDto::ThicknessMm => bounds::THICKNESS,
        TypedFieldDto::StartC => bounds::START,
        TypedFieldDto::SettingC => bounds::SETTING,
        TypedFieldDto::CoreTargetC => bounds::CORE_TARGET,
        TypedFieldDto::CoreC => bounds::READING,
        TypedFieldDto::AirC => bounds::AIR_READING,
    }
}

fn parse(typed: &TypedDto) -> Result<f64, ParseError> {
    let system = typed.weight_system.into();
    let scale = typed.temperature_scale.into();
    match typed.field {
        TypedFieldDto::PieceMassG => Ok(parse_mass(&typed.text, system)?.grams()),
        TypedFieldDto::ThicknessMm => Ok(parse_length(&typed.text, system)?.millimetres()),
        TypedFieldDto::StartC
        | TypedFieldDto::SettingC
        | TypedFieldDto::CoreTargetC
        | TypedFieldDto::CoreC
        | TypedFieldDto::AirC => Ok(parse_temperature(&typed.text, scale)?.celsius()),
    }
}
