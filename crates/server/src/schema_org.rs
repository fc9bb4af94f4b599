//! Recipes as schema.org has them, in JSON-LD (schema.org/Recipe; JSON-LD 1.1): written, and read from a file or
//! from a page that holds one.

use ember_core::meat::cut;
use ember_core::recipe::{Item, Recipe, RecipeKind, RecipeStep, Unit, read_line};
use ember_core::units::Interval;
use serde_json::{Value, json};

use crate::course;
use crate::dto::cook::CookDto;
use crate::dto::words::StepKindDto;

/// What was understood of a text.
#[derive(Debug, Clone, PartialEq)]
pub struct Understood {
    /// The recipe.
    pub recipe: Recipe,
    /// Lines in which no amount was found.
    pub unread: Vec<String>,
}

/// A recipe in JSON-LD.
#[must_use]
pub fn written(recipe: &Recipe) -> Value {
    let lines: Vec<String> = recipe.items.iter().map(line).collect();
    let steps: Vec<Value> = recipe
        .steps
        .iter()
        .map(|step| {
            let time = step.time.map(duration);
            told([
                ("@type", json!("HowToStep")),
                ("text", json!(step.what)),
                ("totalTime", json!(time)),
            ])
        })
        .collect();
    let notes = Some(&recipe.notes).filter(|notes| !notes.is_empty());
    told([
        ("@context", json!("https://schema.org")),
        ("@type", json!("Recipe")),
        ("name", json!(recipe.name)),
        ("description", json!(notes)),
        ("recipeCategory", json!(recipe.kind.word())),
        (
            "recipeYield",
            json!(recipe.serves.map(|eaters| eaters.to_string())),
        ),
        ("recipeIngredient", json!(lines)),
        ("recipeInstructions", json!(steps)),
    ])
}

/// A cook, planned or logged, in JSON-LD: what [`cooking`] reads again, in words that other programs show.
#[must_use]
pub fn of_cook(cook: &CookDto) -> Value {
    let (request, plan) = (&cook.request, &cook.plan);
    let entry = cut(request.cut.into());
    let pieces = format!(
        "{} {}, {:.0} g together",
        request.pieces,
        entry.noun(request.pieces),
        request.piece_mass_g * f64::from(request.pieces),
    );
    let heat = format!(
        "{:.0} °C for {:.0} min in {}",
        plan.setting_c,
        plan.pull_at_s / 60.0,
        request.machine.name,
    );
    let prepared = cook.preparation.iter().map(|task| {
        told([
            ("@type", json!("HowToStep")),
            ("text", json!(task.name)),
            (
                "totalTime",
                json!(duration(Interval::from_seconds(task.best_s))),
            ),
        ])
    });
    let cooked = plan.steps.iter().map(|step| {
        let text = match step.kind {
            StepKindDto::Load => format!("{}: {heat}", step.title),
            _ => format!("At minute {:.0}: {}", step.at_s / 60.0, step.title),
        };
        told([("@type", json!("HowToStep")), ("text", json!(text))])
    });
    let first = plan.steps.first().map_or(0.0, |step| step.at_s);
    let notes = course::outcome(&cook.events).map(|outcome| outcome.note);
    told([
        ("@context", json!("https://schema.org")),
        ("@type", json!("Recipe")),
        ("name", json!(cook.name)),
        (
            "description",
            json!(notes.filter(|notes| !notes.is_empty())),
        ),
        ("dateCreated", json!(cook.created_at)),
        ("cookingMethod", json!("air frying")),
        ("tool", json!(request.machine.name)),
        ("recipeIngredient", json!([pieces])),
        (
            "cookTime",
            json!(duration(Interval::from_seconds(plan.pull_at_s))),
        ),
        (
            "totalTime",
            json!(duration(Interval::from_seconds(plan.eat_at_s - first))),
        ),
        (
            "recipeInstructions",
            json!(prepared.chain(cooked).collect::<Vec<_>>()),
        ),
    ])
}

/// An object of those fields that have a value.
fn told<const N: usize>(fields: [(&str, Value); N]) -> Value {
    let said = fields.into_iter().filter(|(_, value)| !value.is_null());
    Value::Object(said.map(|(name, value)| (name.to_owned(), value)).collect())
}

/// An ingredient as a line that [`read_line`] reads again.
fn line(item: &Item) -> String {
    let amount = (item.amount * 1000.0).round() / 1000.0;
    match item.unit {
        Unit::Piece => format!("{amount} {}", item.what),
        unit => format!("{amount} {} {}", unit.word(), item.what),
    }
}

/// A length of time as ISO 8601 has it.
fn duration(time: Interval) -> String {
    format!("PT{}M", time.minutes().round())
}

/// A length of time from ISO 8601: days, hours, minutes and seconds.
fn interval(text: &str) -> Option<Interval> {
    let (mut seconds, mut digits) = (0.0, String::new());
    for letter in text.strip_prefix('P')?.chars() {
        let of = match letter {
            'T' => continue,
            'D' => 86_400.0,
            'H' => 3600.0,
            'M' => 60.0,
            'S' => 1.0,
            digit => {
                digits.push(digit);
                continue;
            }
        };
        seconds += of * digits.parse::<f64>().ok()?;
        digits.clear();
    }
    (digits.is_empty() && f64::is_finite(seconds)).then(|| Interval::from_seconds(seconds))
}

/// Reads a text: JSON-LD, a page with JSON-LD in it, or lines as cooks write them, the first without an amount
/// being its name. `kind` is what it is for where the text does not say.
#[must_use]
pub fn read(text: &str, kind: RecipeKind) -> Understood {
    let documents = std::iter::once(text).chain(scripts(text));
    let found = documents
        .filter_map(|text| serde_json::from_str::<Value>(text).ok())
        .find_map(|document| recipe_in(&document).cloned());
    match found {
        Some(found) => of_document(&found, kind),
        None => of_lines(text, kind),
    }
}

/// What a text says of the cooking: the name, the yield and the instructions of the recipe it holds, or the text
/// itself where it holds none.
#[must_use]
pub fn cooking(text: &str) -> String {
    let documents = std::iter::once(text).chain(scripts(text));
    let found = documents
        .filter_map(|text| serde_json::from_str::<Value>(text).ok())
        .find_map(|document| recipe_in(&document).cloned());
    let Some(found) = found else {
        return plain(&without(&without(text, "script"), "style"));
    };
    let mut said: Vec<String> = Vec::new();
    for field in ["name", "recipeIngredient", "recipeInstructions"] {
        strings(found.get(field).unwrap_or(&Value::Null), &mut said);
    }
    // Where the steps do not say it.
    let time = found.get("cookTime").and_then(Value::as_str);
    let time = time.and_then(interval);
    said.extend(time.map(|time| format!("Cook time {} minutes", time.minutes())));
    // A line for each, which a reader sees and the reading of times and weights needs.
    let said: Vec<&str> = said.iter().map(|one| one.trim_end_matches('.')).collect();
    said.join(".\n")
}

/// Every text in a value, whatever it is nested in.
fn strings(value: &Value, said: &mut Vec<String>) {
    match value {
        Value::String(text) => said.push(plain(text)),
        Value::Array(all) => all.iter().for_each(|one| strings(one, said)),
        Value::Object(fields) => {
            for field in ["text", "itemListElement"] {
                strings(fields.get(field).unwrap_or(&Value::Null), said);
            }
        }
        _ => {}
    }
}

/// A page without what stands between the tags of a name.
fn without(page: &str, name: &str) -> String {
    let (open, close) = (format!("<{name}"), format!("</{name}"));
    let mut parts = page.split(open.as_str());
    let first = parts.next().unwrap_or_default().to_owned();
    parts.fold(first, |kept, part| {
        let rest = part.split_once(close.as_str()).map_or("", |(_, rest)| rest);
        let rest = rest.split_once('>').map_or("", |(_, rest)| rest);
        kept + rest
    })
}

/// What stands in the JSON-LD scripts of a page.
fn scripts(page: &str) -> impl Iterator<Item = &str> {
    page.split("<script").skip(1).filter_map(|script| {
        let (attributes, rest) = script.split_once('>')?;
        let (body, _) = rest.split_once("</script")?;
        attributes.contains("ld+json").then(|| body.trim())
    })
}

/// The first recipe in a document: itself, in its list, or in its graph.
fn recipe_in(document: &Value) -> Option<&Value> {
    let is_recipe = |kind: &Value| kind == "Recipe";
    let kind = document.get("@type");
    let here = kind.is_some_and(|kind| {
        is_recipe(kind) || kind.as_array().is_some_and(|all| all.iter().any(is_recipe))
    });
    if here {
        return Some(document);
    }
    let list = document
        .as_array()
        .or_else(|| document.get("@graph")?.as_array());
    list?.iter().find_map(recipe_in)
}

fn of_document(document: &Value, kind: RecipeKind) -> Understood {
    let text = |field: &str| {
        let value = document.get(field);
        value.and_then(Value::as_str).map(plain).unwrap_or_default()
    };
    let said = text("recipeCategory").to_lowercase();
    let known = RecipeKind::ALL.into_iter().find(|kind| said == kind.word());
    let lines = document
        .get("recipeIngredient")
        .or_else(|| document.get("ingredients"));
    let lines = lines.map(texts).unwrap_or_default();
    let (items, unread) = items(lines.iter().map(String::as_str));
    let steps = document
        .get("recipeInstructions")
        .map(steps)
        .unwrap_or_default();
    let serves = document.get("recipeYield").and_then(number);
    Understood {
        recipe: Recipe {
            name: named(&text("name"), known.unwrap_or(kind)),
            kind: known.unwrap_or(kind),
            items,
            steps,
            notes: short(&text("description"), ember_core::recipe::RECIPE_TEXT),
            serves,
        },
        unread,
    }
}

fn of_lines(text: &str, kind: RecipeKind) -> Understood {
    let mut lines: Vec<&str> = text
        .lines()
        .map(str::trim)
        .filter(|line| !line.is_empty())
        .collect();
    let name = match lines.first() {
        Some(first) if read_line(first).is_err() => lines.remove(0),
        _ => "",
    };
    let (items, unread) = items(lines.into_iter());
    Understood {
        recipe: Recipe {
            name: named(name, kind),
            ..Recipe::of("", kind, items)
        },
        unread,
    }
}

/// Its name, or what it is where it has none.
fn named(name: &str, kind: RecipeKind) -> String {
    let name = if name.trim().is_empty() {
        kind.word()
    } else {
        name.trim()
    };
    short(name, ember_core::recipe::RECIPE_WORD)
}

fn items<'a>(lines: impl Iterator<Item = &'a str>) -> (Vec<Item>, Vec<String>) {
    let (mut items, mut unread) = (Vec::new(), Vec::new());
    for line in lines {
        match read_line(line.trim_start_matches(['-', '*', '•', ' '])) {
            Ok(item) if items.len() < ember_core::recipe::MOST_ITEMS => items.push(Item {
                what: short(&item.what, ember_core::recipe::RECIPE_WORD),
                ..item
            }),
            _ => unread.push(line.to_owned()),
        }
    }
    (items, unread)
}

/// A text, or the texts of a list.
fn texts(value: &Value) -> Vec<String> {
    match value {
        Value::String(text) => text.lines().map(plain).collect(),
        Value::Array(all) => all.iter().filter_map(Value::as_str).map(plain).collect(),
        _ => Vec::new(),
    }
}

/// Instructions: a text, or a list of texts, steps and sections of steps.
fn steps(value: &Value) -> Vec<RecipeStep> {
    let step = |what: &str, time: Option<Interval>| RecipeStep {
        what: short(&plain(what), ember_core::recipe::RECIPE_TEXT),
        time,
    };
    let mut found: Vec<RecipeStep> = match value {
        Value::String(text) => text.lines().map(|line| step(line, None)).collect(),
        Value::Array(all) => all.iter().flat_map(steps).collect(),
        Value::Object(one) => match (one.get("itemListElement"), one.get("text")) {
            (Some(section), _) => steps(section),
            (None, Some(Value::String(text))) => {
                let time = one.get("totalTime").and_then(Value::as_str);
                vec![step(text, time.and_then(interval))]
            }
            _ => Vec::new(),
        },
        _ => Vec::new(),
    };
    found.retain(|step| !step.what.is_empty());
    found.truncate(ember_core::recipe::MOST_STEPS);
    found
}

/// A yield: a number, or a text or a list that begins with one.
fn number(value: &Value) -> Option<u32> {
    let first = match value {
        Value::Array(all) => all.first()?,
        one => one,
    };
    let text = match first {
        Value::String(text) => text.clone(),
        Value::Number(number) => number.to_string(),
        _ => return None,
    };
    let digits: String = text
        .chars()
        .skip_while(|c| !c.is_ascii_digit())
        .take_while(char::is_ascii_digit)
        .collect();
    let eaters = digits.parse().ok()?;
    (1..=ember_core::recipe::MOST_SERVED)
        .contains(&eaters)
        .then_some(eaters)
}

/// Text without mark-up and without the entities that pages write.
fn plain(text: &str) -> String {
    let mut words = String::new();
    let mut within = false;
    for letter in text.chars() {
        match letter {
            '<' => within = true,
            '>' if within => within = false,
            letter if !within => words.push(letter),
            _ => {}
        }
    }
    let words = html_escape::decode_html_entities(&words);
    words.split_whitespace().collect::<Vec<_>>().join(" ")
}

fn short(text: &str, most: usize) -> String {
    text.chars().take(most).collect()
}
