//! Side dishes as they are stored.

use super::recipe::Recipe;
use super::{Document, Upgrade, Versioned, stored};
use crate::dto::side::{PatienceDto, SideDto, SideStepDto, SiteDto, StartsDto};
use serde_json::{Map, Value, json};

stored!(
    /// A step of a side dish.
    SideStep = SideStepDto {
        same what: String,
        same site: SiteDto,
        same starts: StartsDto,
        #[serde(default)]
        same joins_s: Option<f64>,
        same work_s: f64,
        same shortest_s: f64,
        same best_s: f64,
        same longest_s: f64,
        same waits_s: f64,
        #[serde(default)]
        same step_setting_c: Option<f64>,
        #[serde(default)]
        same halfway: Option<String>,
    }
);

stored!(
    /// A side dish.
    Side = SideDto {
        same name: String,
        each steps: Vec<SideStep>,
        same patience: PatienceDto,
        same keeps_s: f64,
        #[serde(default)]
        same with: Option<u32>,
        #[serde(default)]
        same side_mass_g: Option<f64>,
        #[serde(default)]
        maybe_doc recipe: Option<Versioned<Recipe>>,
    }
);

/// Version 1 was one piece of work and one wait: now each is a step.
fn steps(side: &mut Value) {
    let Some(fields) = side.as_object() else {
        return;
    };
    let number = |field: &str| fields.get(field).and_then(Value::as_f64).unwrap_or(0.0);
    let text = |field: &str| fields.get(field).and_then(Value::as_str);
    let name = text("name").unwrap_or("a side dish");
    let site = text("site").unwrap_or("counter");
    let step = |what: String, site: &str| {
        let mut step = Map::new();
        step.insert("what".to_owned(), json!(what));
        step.insert("site".to_owned(), json!(site));
        step
    };
    let mut steps = Vec::new();
    let work = number("work_s");
    if work > 0.0 {
        let mut ready = step(format!("Get {name} ready"), "counter");
        let lasts = [
            ("work_s", work),
            ("shortest_s", work),
            ("best_s", work),
            ("longest_s", work),
        ];
        ready.extend(lasts.map(|(field, value)| (field.to_owned(), json!(value))));
        ready.insert("starts".to_owned(), json!("next"));
        ready.insert("waits_s".to_owned(), json!(3600.0));
        steps.push(Value::Object(ready));
    }
    if number("best_s") > 0.0 {
        let what = match site {
            "fridge" => format!("{name} into the fridge"),
            "hob" => format!("{name} on the hob"),
            "machine" => format!("{name} into the machine"),
            "beside" => format!("{name} beside the meat"),
            _ => format!("Leave {name}"),
        };
        let starts = match (site, text("joins")) {
            ("beside", joins) => joins.unwrap_or("last_minutes"),
            _ => "next",
        };
        let hands = if site == "beside" {
            0.0
        } else {
            60.0_f64.min(number("shortest_s"))
        };
        let mut stand = step(what, site);
        let lasts = ["shortest_s", "best_s", "longest_s"]
            .map(|field| (field.to_owned(), json!(number(field))));
        stand.extend(lasts);
        stand.insert("work_s".to_owned(), json!(hands));
        stand.insert("waits_s".to_owned(), json!(0.0));
        stand.insert("starts".to_owned(), json!(starts));
        if starts == "at_minute" {
            stand.insert("joins_s".to_owned(), json!(number("joins_s")));
        }
        steps.push(Value::Object(stand));
    }
    let patience = if site == "fridge" { "well" } else { "fairly" };
    *side = json!({
        "name": name, "steps": steps, "patience": patience, "keeps_s": number("keeps_s"),
        "with": fields.get("with"), "side_mass_g": fields.get("side_mass_g"),
    });
}

impl Document for Side {
    const UPGRADES: &'static [Upgrade] = &[steps];
}
