//! Quantities as typed by a cook, and messages with quantities in them.

use ember_core::units::{Message, Quantity, TemperatureScale, WeightSystem};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::words::wire_enum;

wire_enum!(
    /// Scale a bare temperature is read in.
    TemperatureScaleDto = TemperatureScale { Celsius, Fahrenheit }
);
wire_enum!(
    /// System a bare weight or length is read in.
    WeightSystemDto = WeightSystem { Metric, Imperial }
);

/// What is being typed; the name is that of the field it will fill.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum TypedFieldDto {
    /// Weight of a piece.
    PieceMassG,
    /// Weight of all pieces together.
    TotalMassG,
    /// Weight of a side dish.
    SideMassG,
    /// Capacity of a machine.
    CapacityL,
    /// Thickness.
    ThicknessMm,
    /// Start temperature.
    StartC,
    /// Setting of the dial.
    SettingC,
    /// Core temperature wanted.
    CoreTargetC,
    /// A reading of the thermometer.
    CoreC,
    /// A reading of the air.
    AirC,
    /// Gap to leave around each piece.
    GapMm,
    /// Inside width, depth or diameter of a machine.
    FloorWidthMm,
    /// Radius of its corners.
    FloorCornerMm,
    /// Its free height.
    HeightMm,
    /// From its floor to its element.
    ElementMm,
    /// Height of a rack.
    RackMm,
    /// Length of a spit between its forks.
    SpitLengthMm,
    /// Diameter that turns on it.
    SpitDiameterMm,
    /// Weight it carries.
    SpitHeaviestG,
    /// Volume of a tumbling basket.
    TumblerL,
    /// Power of a machine.
    PowerW,
    /// Step of its dial.
    StepK,
    /// What it needs to get hot.
    PreheatS,
    /// The longest time its timer takes.
    TimerS,
    /// A stretch of time before or beside the cook.
    AheadS,
    /// Its heat over that of its kind.
    HeatFactor,
    /// What its air is hotter than its dial says.
    OffsetK,
    /// Height of a kitchen over the sea.
    AltitudeM,
    /// What a thermometer shows in ice water.
    ThermometerOffsetK,
}

/// What a cook typed.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct TypedDto {
    /// The field it is for.
    pub field: TypedFieldDto,
    /// The text.
    pub text: String,
    /// Scale of a temperature without a unit.
    pub temperature_scale: TemperatureScaleDto,
    /// System of a weight or length without a unit.
    pub weight_system: WeightSystemDto,
}

/// What it means.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct UnderstoodDto {
    /// In the unit at the end of the field's name.
    pub value: f64,
}

/// A quantity inside a message; the unit stands at the end of its kind.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct QuantityDto {
    /// What it is.
    pub kind: QuantityKindDto,
    /// How much.
    pub value: f64,
}

/// Kinds of quantities in messages.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum QuantityKindDto {
    /// Temperature of meat or air.
    TemperatureC,
    /// Setting of a dial.
    SettingC,
    /// Difference of temperatures.
    DifferenceK,
    /// Length.
    LengthMm,
    /// Weight.
    MassG,
    /// Time.
    TimeS,
}

/// Words with `{}` where the quantities stand, in order.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct MessageDto {
    /// The words.
    pub text: String,
    /// The quantities.
    pub values: Vec<QuantityDto>,
}

impl From<&Message> for MessageDto {
    fn from(message: &Message) -> Self {
        Self {
            text: message.text.clone(),
            values: message.values.iter().map(|q| (*q).into()).collect(),
        }
    }
}

impl From<Quantity> for QuantityDto {
    fn from(quantity: Quantity) -> Self {
        let (kind, value) = match quantity {
            Quantity::Temperature(t) => (QuantityKindDto::TemperatureC, t.celsius()),
            Quantity::Setting(t) => (QuantityKindDto::SettingC, t.celsius()),
            Quantity::Difference(d) => (QuantityKindDto::DifferenceK, d.kelvins()),
            Quantity::Length(l) => (QuantityKindDto::LengthMm, l.millimetres()),
            Quantity::Mass(m) => (QuantityKindDto::MassG, m.grams()),
            Quantity::Time(t) => (QuantityKindDto::TimeS, t.seconds()),
        };
        Self { kind, value }
    }
}
