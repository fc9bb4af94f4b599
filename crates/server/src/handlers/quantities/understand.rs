use actix_web::post;
use actix_web::web::Json;
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{
    ParseError, parse_length, parse_mass, parse_power, parse_share, parse_temperature,
    parse_temperature_difference, parse_time, parse_volume,
};

use crate::body::Body;
use crate::dto::quantity::{TypedDto, TypedFieldDto, UnderstoodDto};
use crate::error::ApiError;
use crate::text;

/// Reads what a cook typed: "1 1/4 lb", "3/4 in", "375F".
#[utoipa::path(
    operation_id = "understand_quantity",
    tag = "plans",
    request_body = TypedDto,
    responses((status = 200, body = UnderstoodDto))
)]
#[post("/quantities")]
pub async fn understand(body: Body<TypedDto>) -> Result<Json<UnderstoodDto>, ApiError> {
    let bound = bound_of(body.0.field);
    text::fits(bound.field, &body.0.text, text::QUANTITY)?;
    let value =
        parse(&body.0).map_err(|error| ApiError::invalid(bound.field, error.to_string()))?;
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
        TypedFieldDto::GapMm => bounds::GAP,
        TypedFieldDto::FloorWidthMm => bounds::FLOOR,
        TypedFieldDto::FloorCornerMm => bounds::CORNER,
        TypedFieldDto::HeightMm => bounds::CAVITY_HEIGHT,
        TypedFieldDto::ElementMm => bounds::ELEMENT,
        TypedFieldDto::RackMm => bounds::RACK,
        TypedFieldDto::SpitLengthMm => bounds::SPIT_LENGTH,
        TypedFieldDto::SpitDiameterMm => bounds::SPIT_DIAMETER,
        TypedFieldDto::SpitHeaviestG => bounds::SPIT_MASS,
        TypedFieldDto::TumblerL => bounds::TUMBLER,
        TypedFieldDto::PowerW => bounds::WATTS,
        TypedFieldDto::StepK => bounds::STEP,
        TypedFieldDto::PreheatS => bounds::PREHEAT,
        TypedFieldDto::HeatFactor => bounds::HEAT_FACTOR,
        TypedFieldDto::OffsetK => bounds::OFFSET,
    }
}

/// The unit of a bound says what kind of quantity is typed.
fn parse(typed: &TypedDto) -> Result<f64, ParseError> {
    let system = typed.weight_system.into();
    let scale = typed.temperature_scale.into();
    let text = &typed.text;
    Ok(match bound_of(typed.field).unit {
        "g" => parse_mass(text, system)?.grams(),
        "mm" => parse_length(text, system)?.millimetres(),
        "l" => parse_volume(text, system)?,
        "W" => parse_power(text)?.watts(),
        "s" => parse_time(text)?.seconds(),
        "K" => parse_temperature_difference(text, scale)?.kelvins(),
        "°C" => parse_temperature(text, scale)?.celsius(),
        _ => parse_share(text)?,
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::dto::quantity::{TemperatureScaleDto, WeightSystemDto};

    /// By hand: an inch is 25.4 mm, a quart 0.946 l, 9 °F are 5 K.
    #[test]
    fn every_kind_of_field_reads_its_own_units() {
        let read = |field, text: &str| {
            parse(&TypedDto {
                field,
                text: text.to_owned(),
                temperature_scale: TemperatureScaleDto::Fahrenheit,
                weight_system: WeightSystemDto::Imperial,
            })
            .unwrap_or(f64::NAN)
        };
        for (field, text, value) in [
            (TypedFieldDto::FloorWidthMm, "10", 254.0),
            (TypedFieldDto::GapMm, "8 mm", 8.0),
            (TypedFieldDto::SpitHeaviestG, "2 kg", 2000.0),
            (TypedFieldDto::TumblerL, "4 qt", 3.785),
            (TypedFieldDto::PowerW, "1,7 kW", 1700.0),
            (TypedFieldDto::PreheatS, "4 min", 240.0),
            (TypedFieldDto::OffsetK, "9", 5.0),
            (TypedFieldDto::SettingC, "392", 200.0),
            (TypedFieldDto::HeatFactor, "95", 0.95),
        ] {
            let got = read(field, text);
            assert!((got - value).abs() < 1e-3, "{field:?} {text}: {got}");
        }
    }
}
