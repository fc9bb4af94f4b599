use actix_web::post;
use actix_web::web::Json;
use ember_core::units::bounds::{self, Bound};
use ember_core::units::{
    ParseError, parse_altitude, parse_length, parse_mass, parse_power, parse_share,
    parse_temperature, parse_temperature_difference, parse_time, parse_volume, spellings,
};

use crate::body::Body;
use crate::dto::quantity::{TypedDto, TypedFieldDto, UnderstoodDto};
use crate::error::ApiError;
use crate::text;

/// A time as it is read; the field that asked has a range of its own, and says it.
const TYPED_TIME: Bound = Bound {
    name: "time",
    max: 3_600_000.0,
    ..bounds::AHEAD
};

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
    Ok(Json(UnderstoodDto {
        value: meant(bound, &body.0)?,
    }))
}

/// The only reading of what was typed that the field allows; asked back where two do.
fn meant(bound: Bound, typed: &TypedDto) -> Result<f64, ApiError> {
    let readings: Vec<(String, f64)> = spellings(&typed.text)
        .into_iter()
        .map(|text| parse(typed, &text).map(|value| (text, value)))
        .collect::<Result<_, _>>()
        .map_err(|error| ApiError::invalid(bound.field, error.to_string()))?;
    let fits = |(_, value): &&(String, f64)| bound.check(*value).is_ok();
    let fitting: Vec<&(String, f64)> = readings.iter().filter(fits).collect();
    match fitting.as_slice() {
        [(_, value)] => Ok(*value),
        [(_, small), (large, _), ..] => Err(ApiError::invalid(
            bound.field,
            format!(
                "\"{}\" can be {small} {} or {large}; write it without the sign between the digits",
                typed.text.trim(),
                bound.unit
            ),
        )),
        [] => {
            let first = readings.first().map_or(f64::NAN, |(_, value)| *value);
            Ok(bound.check(first)?)
        }
    }
}

fn bound_of(field: TypedFieldDto) -> Bound {
    match field {
        TypedFieldDto::PieceMassG => bounds::PIECE_MASS,
        TypedFieldDto::TotalMassG => bounds::TOTAL_MASS,
        TypedFieldDto::SideMassG => bounds::SIDE_MASS,
        TypedFieldDto::CapacityL => bounds::CAPACITY,
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
        TypedFieldDto::TimerS => bounds::TIMER,
        TypedFieldDto::AheadS => TYPED_TIME,
        TypedFieldDto::HeatFactor => bounds::HEAT_FACTOR,
        TypedFieldDto::OffsetK => bounds::OFFSET,
        TypedFieldDto::AltitudeM => bounds::ALTITUDE,
        TypedFieldDto::ThermometerOffsetK => bounds::THERMOMETER_OFFSET,
    }
}

/// The unit of a bound says what kind of quantity is typed.
fn parse(typed: &TypedDto, text: &str) -> Result<f64, ParseError> {
    let system = typed.weight_system.into();
    let scale = typed.temperature_scale.into();
    Ok(match bound_of(typed.field).unit {
        "g" => parse_mass(text, system)?.grams(),
        "mm" => parse_length(text, system)?.millimetres(),
        "m" => parse_altitude(text, system)?,
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
            let typed = TypedDto {
                field,
                text: text.to_owned(),
                temperature_scale: TemperatureScaleDto::Fahrenheit,
                weight_system: WeightSystemDto::Imperial,
            };
            meant(bound_of(field), &typed).unwrap_or(f64::NAN)
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
            (TypedFieldDto::AltitudeM, "5000", 1524.0),
            (TypedFieldDto::PieceMassG, "1 lb 4", 566.990),
            // Only one of the two readings is a weight of a piece.
            (TypedFieldDto::PieceMassG, "1,500 g", 1500.0),
            (TypedFieldDto::PieceMassG, "1.500 g", 1500.0),
            (TypedFieldDto::PieceMassG, "1,500 kg", 1500.0),
            (TypedFieldDto::PieceMassG, "1,5 kg", 1500.0),
            (TypedFieldDto::AheadS, "1 h 45 min", 6300.0),
            (TypedFieldDto::AheadS, "1,5 h", 5400.0),
            // Longer than anything may stand: the field that asked says so.
            (TypedFieldDto::AheadS, "80 h", 288_000.0),
            // Both are: it is asked back.
            (TypedFieldDto::AheadS, "1,200 s", f64::NAN),
        ] {
            let got = read(field, text);
            let same = (got - value).abs() < 1e-3 || (got.is_nan() && value.is_nan());
            assert!(same, "{field:?} {text}: {got}");
        }
    }
}
