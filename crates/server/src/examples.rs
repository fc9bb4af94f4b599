//! Examples of what can be sent, made by the types that read it, so that they are never out of date.

use ember_core::fryer::PRESETS;
use ember_core::meat::CutId;
use ember_core::plan::Request;
use ember_core::side::library;
use serde::Serialize;
use serde_json::{Value, json};
use uuid::Uuid;

use crate::demo;
use crate::dto::cook::{NewCookDto, RenameDto};
use crate::dto::event::{HappeningDto, ReportDto};
use crate::dto::machine::{MachineDto, MachinesDocumentDto};
use crate::dto::request::RequestDto;
use crate::dto::side::SideDto;
use crate::dto::supper::SupperDto;

/// An example of a type, by its name in the description.
#[must_use]
pub fn of(name: &str) -> Option<Value> {
    let machine = || {
        PRESETS
            .first()
            .map(|preset| MachineDto::from(&preset.machine()))
    };
    let sentence = || {
        let machine = PRESETS.first()?.machine();
        Some(RequestDto::from(&Request::usual(CutId::Drumstick, machine)))
    };
    match name {
        "RequestDto" => value(&sentence()?),
        "NewCookDto" => value(&NewCookDto {
            request: sentence()?,
            name: Some("Drumsticks for the ferry crew".to_owned()),
            eat_at: None,
        }),
        "RenameDto" => value(&RenameDto {
            name: "Cider chops".to_owned(),
        }),
        "MachineDto" => value(&machine()?),
        "MachinesDocumentDto" => value(&MachinesDocumentDto::of(vec![machine()?])),
        "RecipeDto" => value(&demo::fennel_rub()),
        "SideDto" => value(&SideDto::from(&library().first()?.side)),
        "RecipeTextDto" => Some(json!({
            "kind": "marinade", "text": "2 tbsp soy sauce\n1 tbsp honey\n2 cloves garlic",
        })),
        "OwnMethodDto" => value(&demo::night_before_the_ferry()),
        "SupperDto" => value(&SupperDto {
            serve_at: None,
            quiet: None,
            ..demo::ferry_crew(chrono::DateTime::UNIX_EPOCH)
        }),
        "ReportDto" => value(&ReportDto {
            id: Uuid::nil(),
            ago_s: 0.0,
            happening: HappeningDto::Reading {
                core_c: 58.0,
                air_c: None,
                batch: None,
            },
        }),
        "SupperReportDto" => Some(json!({
            "id": Uuid::nil(), "dish": "drumsticks", "task": "cook", "what": "begun",
        })),
        "RecipeToReadDto" => Some(json!({
            "text": "400 °F 25 min, turn half-way, for 2 lb drumsticks", "request": value(&sentence()?)?,
        })),
        "ComplaintDto" => {
            Some(json!({ "request": value(&sentence()?)?, "symptoms": ["raw_inside", "pale"] }))
        }
        "CookComplaintDto" => Some(json!({ "symptoms": ["raw_inside"] })),
        "MovesDto" => Some(json!({
            "exercise": "carry_over", "seed": 7,
            "moves": [
                { "at_s": 0.0, "what": { "kind": "load", "preheated": false, "with_space": true } },
                { "at_s": 900.0, "what": { "kind": "read", "lot": 0, "place": "thickest" } },
                { "at_s": 1700.0, "what": { "kind": "out", "lot": 0 } },
                { "at_s": 2000.0, "what": { "kind": "serve" } },
            ],
        })),
        "LeaveOutDto" => Some(json!({ "left_out": true })),
        "StartOverDto" => Some(json!({ "machine": "the drum" })),
        "WhatIfDto" => Some(json!({ "happening": { "kind": "keep_in", "keep_s": 300.0 } })),
        "NewThermometerDto" => Some(json!({ "name": "Oven probe" })),
        "ChannelTieDto" => Some(json!({ "kind": "core" })),
        "ReadingsDto" => Some(json!({
            "unit": "celsius", "sent_at": "2026-11-26T18:04:10Z",
            "readings": [{ "channel": 1, "at": "2026-11-26T18:04:00Z", "value": 54.5 }],
        })),
        "NewSharedDto" => Some(json!({ "request": value(&sentence()?)? })),
        "PreparationWishDto" => Some(json!({ "request": value(&sentence()?)? })),
        "DeadlineDto" => Some(json!({ "request": value(&sentence()?)?, "within_s": 1800.0 })),
        "OtherMachineDto" => {
            Some(json!({ "request": value(&sentence()?)?, "machine": value(&machine()?)? }))
        }
        "ConversionDto" => Some(json!({
            "request": value(&sentence()?)?, "recipe_s": 1500.0, "machine": value(&machine()?)?,
        })),
        "PairDto" => Some(json!({ "first": value(&sentence()?)?, "second": value(&sentence()?)? })),
        "TypedDto" => Some(json!({
            "field": "thickness_mm", "text": "1 3/4 in", "temperature_scale": "fahrenheit",
            "weight_system": "imperial",
        })),
        "SignInDto" => Some(json!({
            "household": "Tern Cottage", "passphrase": "gull lantern oats", "device": "Kitchen tablet",
        })),
        "JoinDto" => Some(json!({ "secret": "the part behind the #", "device": "Phone" })),
        "NewLinkDto" => Some(json!({ "kind": "device" })),
        "HouseholdNameDto" => Some(json!({ "name": "Tern Cottage" })),
        "PassphraseDto" => Some(json!({ "passphrase": "gull lantern oats" })),
        "FarewellDto" => Some(json!({ "name": "Tern Cottage", "current": "gull lantern oats" })),
        "SettingsDto" => {
            Some(json!({ "region": "uk", "temperature": "celsius", "weight": "metric" }))
        }
        _ => None,
    }
}

fn value(example: &impl Serialize) -> Option<Value> {
    serde_json::to_value(example).ok()
}
