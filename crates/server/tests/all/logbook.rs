//! The log as tables, over HTTP.

use crate::support::{Database, call, get, keep, post, report, sentence, server};
use actix_web::test::{TestRequest, call_service, read_body};
use serde_json::json;

#[actix_web::test]
async fn the_log_goes_out_as_tables() {
    let database = Database::new();
    let app = server(&database).await;
    let new = json!({ "request": sentence(), "name": "=Cider, \"twice\"" });
    let cook = keep(&app, &new).await;
    let path = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    let steps = cook["plan"]["steps"].as_array().unwrap();
    let pull = steps
        .iter()
        .position(|step| step["kind"] == "pull")
        .unwrap();
    let planned = cook["plan"]["pull_at_s"].as_f64().unwrap();
    // Loaded an hour ago, out two minutes later than planned.
    for (after, happening) in [
        (0.0, json!({ "kind": "started" })),
        (0.0, json!({ "kind": "step_done", "step": 0 })),
        (
            600.0,
            json!({ "kind": "reading", "core_c": 41.5, "air_c": 190.0 }),
        ),
        (
            planned + 120.0,
            json!({ "kind": "step_done", "step": pull }),
        ),
        (
            planned + 600.0,
            json!({
                "kind": "finished", "crispness": 4, "doneness": 3, "core_c": null, "note": "two\nlines",
            }),
        ),
    ] {
        let mut said = report(happening);
        said["ago_s"] = json!(3600.0 - after);
        assert_eq!(post(&app, &path, &said).await.0, 200);
    }
    let table = async |path: &str| {
        let asked = TestRequest::get()
            .uri(path)
            .insert_header(("host", "localhost"));
        let response = call_service(&app, asked.to_request()).await;
        assert_eq!(response.status(), 200);
        let kind = response.headers().get("content-type").unwrap();
        assert!(kind.to_str().unwrap().starts_with("text/csv"));
        read_body(response).await
    };
    // The crate `csv` reads it as RFC 4180 has it.
    let cooks = table("/api/logbook/cooks.csv").await;
    let mut read = csv::Reader::from_reader(cooks.as_ref());
    let header = read.headers().unwrap().clone();
    let at = |name: &str| header.iter().position(|one| one == name).unwrap();
    let lines: Vec<csv::StringRecord> = read.records().map(Result::unwrap).collect();
    assert_eq!(lines.len(), 1);
    let cell = |name: &str| lines[0].get(at(name)).unwrap();
    // No spreadsheet takes a name for a formula.
    assert_eq!(cell("name"), "'=Cider, \"twice\"");
    assert_eq!(
        (cell("cut"), cell("pieces"), cell("piece_mass_g")),
        ("drumsticks", "6", "115.0")
    );
    assert_eq!(
        (cell("crispness_1_to_5"), cell("note")),
        ("4", "two\nlines")
    );
    assert_eq!(cell("last_core_c"), "41.5");
    let minutes = |name: &str| cell(name).parse::<f64>().unwrap();
    assert!((minutes("actual_out_min") - minutes("planned_out_min") - 2.0).abs() < 0.2);

    let readings = table("/api/logbook/readings.csv").await;
    let text = String::from_utf8(readings.to_vec()).unwrap();
    assert!(
        text.starts_with("cook,name,batch,minute_from_loading,core_c,air_c\r\n"),
        "{text}"
    );
    assert!(text.contains(",10.00,41.5,190.0\r\n"), "{text}");

    let (status, off) = get(&app, "/api/logbook/off").await;
    assert_eq!(status, 200, "{off}");
    assert!(
        (off[0]["off_s"].as_f64().unwrap() - 120.0).abs() < 10.0,
        "{off}"
    );
    let (_, document) = get(&app, "/api/logbook/cooks.json").await;
    let (_, schema) = get(&app, "/api/logbook/schema").await;
    assert_eq!(document["$schema"], schema["$id"]);
    let logged = document["cooks"][0].as_object().unwrap();
    // Every field of it is described, and every one that must be there is.
    let described = &schema["$defs"]["LoggedCookDto"];
    assert!(
        logged
            .keys()
            .all(|field| !described["properties"][field].is_null())
    );
    let required = described["required"].as_array().unwrap();
    assert!(
        required
            .iter()
            .all(|field| logged.contains_key(field.as_str().unwrap()))
    );
    let read = &document["cooks"][0]["happened"][2];
    assert!((read["minute"].as_f64().unwrap() - 10.0).abs() < 0.1);
    assert_eq!(read["happening"]["core_c"], 41.5);
    assert_eq!(
        (&off[0]["machine"], &off[0]["cut"]),
        (&json!("the drum"), &json!("drumsticks"))
    );
}

/// What goes out as schema.org has it is read again for another machine.
#[actix_web::test]
async fn a_cook_goes_out_as_a_recipe_and_is_read_again() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(
        &app,
        &json!({ "request": sentence(), "name": "Harbour legs" }),
    )
    .await;
    let path = format!("/api/cooks/{}/recipe.jsonld", cook["id"].as_str().unwrap());
    let (status, recipe) = get(&app, &path).await;
    assert_eq!(status, 200, "{recipe}");
    // schema.org/Recipe: the names of its fields, and times as ISO 8601 has them.
    assert_eq!(
        (&recipe["@type"], &recipe["name"]),
        (&json!("Recipe"), &json!("Harbour legs"))
    );
    assert_eq!(
        recipe["recipeIngredient"],
        json!(["6 drumsticks, 690 g together"])
    );
    let minutes = (cook["plan"]["pull_at_s"].as_f64().unwrap() / 60.0).round();
    assert_eq!(recipe["cookTime"], json!(format!("PT{minutes}M")));
    let steps = recipe["recipeInstructions"].as_array().unwrap();
    assert!(steps.iter().all(|step| step["@type"] == "HowToStep"));

    let asked = json!({ "text": recipe.to_string(), "request": sentence() });
    let (status, read) = post(&app, "/api/plans/recipe", &asked).await;
    assert_eq!(status, 200, "{read}");
    let written = &read["written"];
    assert_eq!(
        (&written["cut"], &written["pieces"]),
        (&json!("drumstick"), &json!(6))
    );
    assert_eq!(written["piece_mass_g"], 115.0);
    assert_eq!(read["recipe_s"].as_f64().unwrap(), minutes * 60.0);
    assert_eq!(written["setting_c"], cook["plan"]["setting_c"]);
    assert_eq!(written["turn"], "half_way");
}

/// A log of another program: looked at first, then kept as a whole or not at all, and the same file twice is once.
#[actix_web::test]
async fn readings_come_in_from_a_file() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let id = cook["id"].as_str().unwrap();
    let send = async |query: &str, file: &str| {
        let path = format!("/api/cooks/{id}/readings-file?{query}");
        let request = TestRequest::post()
            .uri(&path)
            .insert_header(("content-type", "text/csv"))
            .set_payload(file.to_owned());
        call(&app, request).await
    };
    let file = "Elapsed;Meat °F;Grill °F\n0:00:30;41,0;300\n0:06:00;80,6;350\n0:12:00;122,0;370\n";
    let (status, problem) = send("", file).await;
    assert_eq!((status, &problem["code"]), (409, &json!("not_started")));
    for (ago, happening) in [
        (3600.0, json!({ "kind": "started" })),
        (3600.0, json!({ "kind": "step_done", "step": 0 })),
    ] {
        let mut said = report(happening);
        said["ago_s"] = json!(ago);
        post(&app, &format!("/api/cooks/{id}/events"), &said).await;
    }
    let (status, seen) = send("", file).await;
    assert_eq!(status, 200, "{seen}");
    assert_eq!(
        (&seen["core"], &seen["air"], &seen["unit"]),
        (&json!(1), &json!(2), &json!("fahrenheit"))
    );
    assert_eq!(
        seen["taken"][2],
        json!({ "at_s": 720.0, "core_c": 50.0, "air_c": 187.77777777777777 })
    );
    let count = async || {
        let (_, cook) = get(&app, &format!("/api/cooks/{id}")).await;
        let events = cook["events"].as_array().unwrap().clone();
        events
            .iter()
            .filter(|event| event["happening"]["kind"] == "reading")
            .count()
    };
    assert_eq!(count().await, 0);
    // A wrong line: nothing is kept, not even what is right.
    let (status, problem) = send("keep=true", &format!("{file}0:20:00;9999;1\n")).await;
    assert_eq!((status, &problem["field"]), (422, &json!("file")));
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .starts_with("line 5: core 9999"),
        "{problem}"
    );
    assert_eq!(count().await, 0);
    for _ in 0..2 {
        let (status, kept) = send("keep=true", file).await;
        assert_eq!(status, 200, "{kept}");
        assert_eq!(count().await, 3);
    }
    let (status, problem) = send("", &"x".repeat(3 << 20)).await;
    assert_eq!(
        (status, &problem["code"]),
        (413, &json!("too_large")),
        "{problem}"
    );
}

/// Photographs: known by what they are, three a cook, deleted and brought back, and sent as they are.
#[actix_web::test]
async fn photographs_are_kept_with_their_cook() {
    let database = Database::new();
    let app = server(&database).await;
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}/photos", cook["id"].as_str().unwrap());
    let send = async |bytes: Vec<u8>| {
        let request = TestRequest::post()
            .uri(&path)
            .insert_header(("content-type", "image/jpeg"))
            .set_payload(bytes);
        call(&app, request).await
    };
    // What a file calls itself does not count.
    let (status, problem) = send(b"<html><script>alert(1)</script>".to_vec()).await;
    assert_eq!((status, &problem["field"]), (422, &json!("photo")));
    let (status, problem) = send(vec![0; 2 << 20]).await;
    assert_eq!((status, &problem["code"]), (413, &json!("too_large")));
    let picture = ember_server::demo::photograph(1);
    let mut ids = Vec::new();
    for _ in 0..3 {
        let (status, photo) = send(picture.clone()).await;
        assert_eq!(status, 201, "{photo}");
        ids.push(photo["id"].as_str().unwrap().to_owned());
    }
    let (status, problem) = send(picture.clone()).await;
    assert_eq!(
        (status, &problem["code"]),
        (422, &json!("invalid")),
        "{problem}"
    );
    let photo = format!("/api/photos/{}", ids[0]);
    let asked = TestRequest::get()
        .uri(&photo)
        .insert_header(("host", "localhost"));
    let answer = call_service(&app, asked.to_request()).await;
    assert_eq!(answer.headers().get("content-type").unwrap(), "image/jpeg");
    assert!(!read_body(answer).await.is_empty());
    let (status, _) = call(&app, TestRequest::delete().uri(&photo)).await;
    assert_eq!(status, 204);
    let (status, _) = get(&app, &photo).await;
    assert_eq!(status, 404);
    let (_, left) = get(&app, &path).await;
    assert_eq!(left.as_array().unwrap().len(), 2);
    let (status, _) = call(&app, TestRequest::post().uri(&format!("{photo}/restore"))).await;
    assert_eq!(status, 204);
    let (_, all) = get(&app, &path).await;
    assert_eq!(all.as_array().unwrap().len(), 3);
}

/// The log is found by what was cooked, how and in what, how it came out, when in the year and by whom.
#[actix_web::test]
async fn the_log_is_found_by_what_it_holds() {
    let database = Database::new();
    let app = server(&database).await;
    let close = async |name: &str, cut: &str, doneness: u8, crispness: u8| {
        let mut request = sentence();
        request["cut"] = json!(cut);
        request["surface"] = json!(["patted_dry"]);
        match name {
            "dry chops" => request["ahead"] = json!([{ "kind": "covered", "ahead_s": 3600.0 }]),
            "good legs" => request["sauce"] = json!("last_minutes"),
            _ => request["start"] = json!("frozen"),
        }
        let cook = keep(&app, &json!({ "request": request, "name": name })).await;
        let path = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
        for happening in [
            json!({ "kind": "started" }),
            json!({
                "kind": "finished", "crispness": crispness, "doneness": doneness, "core_c": null, "note": "", "by": "Wren",
            }),
        ] {
            let (status, answer) = post(&app, &path, &report(happening)).await;
            assert_eq!(status, 200, "{answer}");
        }
    };
    close("raw legs", "drumstick", 1, 2).await;
    close("good legs", "drumstick", 3, 4).await;
    close("dry chops", "pork_chop", 5, 4).await;
    let found = async |query: &str| {
        let (status, page) = get(&app, &format!("/api/cooks?{query}")).await;
        assert_eq!(status, 200, "{page}");
        let items = page["items"].as_array().unwrap().clone();
        let mut names: Vec<String> = items
            .iter()
            .map(|item| item["name"].as_str().unwrap().to_owned())
            .collect();
        names.sort();
        assert_eq!(page["total"], names.len());
        names
    };
    assert_eq!(found("cut=drumstick").await, ["good legs", "raw legs"]);
    assert_eq!(found("found=raw").await, ["raw legs"]);
    assert_eq!(found("found=right&cut=drumstick").await, ["good legs"]);
    assert_eq!(found("found=dry").await, ["dry chops"]);
    assert_eq!(found("found=soft").await, ["raw legs"]);
    assert_eq!(found("machine=the%20drum").await.len(), 3);
    assert!(found("machine=the%20shelves").await.is_empty());
    assert_eq!(found("how=covered").await, ["dry chops"]);
    assert_eq!(found("how=sauced").await, ["good legs"]);
    assert_eq!(found("how=frozen").await, ["raw legs"]);
    for none in [
        "bare",
        "parboiled",
        "own",
        "crumbed",
        "spit",
        "two_settings",
    ] {
        assert!(found(&format!("how={none}")).await.is_empty(), "{none}");
    }
    assert_eq!(found("q=wren").await.len(), 3);
    let seasons = ["dec_to_feb", "mar_to_may", "jun_to_aug", "sep_to_nov"];
    let mut counts = Vec::new();
    for season in seasons {
        counts.push(found(&format!("season={season}")).await.len());
    }
    counts.sort_unstable();
    assert_eq!(counts, [0, 0, 0, 3]);
    let (status, _) = get(&app, "/api/cooks?season=always").await;
    assert_eq!(status, 400);
}
