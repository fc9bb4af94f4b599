//! A household as a file: out of one kitchen, into another; twice without doubles; and files that are none.

use crate::support;

use std::io::{Cursor, Read, Write};

use crate::support::doors::{Device, request};
use crate::support::{
    Database, get, keep, post, report, sentence, server, server_with_doors, start, start_as,
};
use actix_http::Request;
use actix_web::Error;
use actix_web::body::BoxBody;
use actix_web::dev::{Service, ServiceResponse};
use actix_web::test::{call_service, read_body};
use chrono::Utc;
use diesel::RunQueryDsl;
use serde_json::{Value, json};
use zip::write::SimpleFileOptions;
use zip::{ZipArchive, ZipWriter};

const PATH: &str = "/api/household/archive";

async fn saved<S>(app: &S) -> Vec<u8>
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let response = call_service(app, request("GET", PATH, None).to_request()).await;
    assert_eq!(response.status(), 200);
    assert_eq!(
        response.headers().get("content-type").unwrap(),
        "application/zip"
    );
    read_body(response).await.to_vec()
}

async fn read<S>(app: &S, archive: &[u8]) -> (u16, Value)
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let sent = request("POST", PATH, None)
        .insert_header(("content-type", "application/zip"))
        .set_payload(archive.to_vec());
    support::call(app, sent).await
}

/// What an answer says of a table: rows added, rows known.
fn came(answer: &Value, what: &str) -> (u64, u64) {
    let one = answer["came"]
        .as_array()
        .unwrap()
        .iter()
        .find(|one| one["what"] == what)
        .unwrap();
    (
        one["added"].as_u64().unwrap(),
        one["known"].as_u64().unwrap(),
    )
}

/// Every file of an archive by its name.
fn files(archive: &[u8]) -> Vec<(String, String)> {
    let mut file = ZipArchive::new(Cursor::new(archive)).unwrap();
    (0..file.len())
        .map(|n| {
            let mut one = file.by_index(n).unwrap();
            let mut text = String::new();
            one.read_to_string(&mut text).unwrap();
            (one.name().to_owned(), text)
        })
        .collect()
}

fn zipped(files: &[(String, String)]) -> Vec<u8> {
    let mut file = ZipWriter::new(Cursor::new(Vec::new()));
    for (name, text) in files {
        file.start_file(name.as_str(), SimpleFileOptions::default())
            .unwrap();
        file.write_all(text.as_bytes()).unwrap();
    }
    file.finish().unwrap().into_inner()
}

/// What a cook would look at: lists, and every cook and supper in full, but for what a clock changes.
async fn everything<S>(app: &S) -> Vec<Value>
where
    S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
{
    let mut all = Vec::new();
    for list in [
        "machines",
        "methods",
        "recipes",
        "suppers?per_page=100",
        "cooks?per_page=100",
    ] {
        let (_, page) = get(app, &format!("/api/{list}")).await;
        all.push(page["items"].clone());
        let kind = list.split('?').next().unwrap();
        if ["suppers", "cooks"].contains(&kind) {
            for one in page["items"].as_array().unwrap() {
                let (status, mut whole) =
                    get(app, &format!("/api/{kind}/{}", one["id"].as_str().unwrap())).await;
                assert_eq!(status, 200);
                whole.as_object_mut().unwrap().remove("now");
                if kind == "cooks" {
                    let path = format!("/api/cooks/{}/photos", one["id"].as_str().unwrap());
                    all.push(get(app, &path).await.1);
                }
                all.push(whole);
            }
        }
    }
    all.push(get(app, "/api/settings").await.1);
    all
}

/// The demo with a cook of yesterday on top, out of one database and into an empty one: the same kitchen. Read
/// again, nothing is there twice.
#[actix_web::test]
async fn a_kitchen_goes_out_and_into_another() {
    let (from, to) = (Database::new(), Database::new());
    start(&from, Utc::now()).unwrap();
    start_as(&to, Utc::now(), false).unwrap();
    let (app, other) = (server(&from).await, server(&to).await);
    let settings = json!({ "region": "uk", "temperature": "fahrenheit", "weight": "imperial" });
    let put = request("PUT", "/api/settings", Some(&settings));
    assert_eq!(support::call(&app, put).await.0, 200);
    let archive = saved(&app).await;
    let (status, answer) = read(&other, &archive).await;
    assert_eq!(status, 200, "{answer}");
    assert_eq!(came(&answer, "machines"), (2, 0));
    assert_eq!(came(&answer, "cooks"), (9, 0));
    assert!(came(&answer, "events").0 > 30, "{answer}");
    assert!(came(&answer, "photos").0 > 3, "{answer}");
    let (before, after) = (everything(&app).await, everything(&other).await);
    assert_eq!(before.len(), after.len());
    for (a, b) in before.iter().zip(&after) {
        assert_eq!(a, b);
    }
    let (_, again) = read(&other, &archive).await;
    for one in again["came"].as_array().unwrap() {
        assert_eq!(one["added"], 0, "{one}");
    }
    assert_eq!(everything(&other).await, after);
    // Each line is as its schema says.
    let (_, schema) = get(&app, "/api/household/archive/schema").await;
    for (name, text) in files(&archive)
        .iter()
        .filter(|(name, _)| name.ends_with("jsonl"))
    {
        let of = &schema["$defs"][name.as_str()];
        for line in text.lines() {
            let row: Value = serde_json::from_str(line).unwrap();
            for field in of["required"].as_array().unwrap() {
                assert!(!row[field.as_str().unwrap()].is_null(), "{name}: {field}");
            }
            for field in row.as_object().unwrap().keys() {
                assert!(of["properties"][field].is_object(), "{name}: {field}");
            }
        }
    }
}

/// Into a kitchen that is in use: what is here stays, a machine of the same name and another make gets a number,
/// the same machine is the same, and its cooks are in it.
#[actix_web::test]
async fn an_archive_is_read_into_a_kitchen_in_use() {
    let (from, to) = (Database::new(), Database::new());
    let (app, other) = (server(&from).await, server(&to).await);
    let machine = |name: &str, power: f64| {
        let mut machine = sentence()["machine"].clone();
        (machine["name"], machine["power_w"]) = (json!(name), json!(power));
        machine
    };
    for (app, power) in [(&app, 1500.0), (&other, 1800.0)] {
        for machine in [machine("the same", 1700.0), machine("the drum", power)] {
            assert_eq!(post(app, "/api/machines", &machine).await.0, 201);
        }
    }
    let mut same = sentence();
    same["machine"] = machine("the same", 1700.0);
    let cook = keep(&app, &json!({ "request": same, "name": "theirs" })).await;
    let path = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    post(&app, &path, &report(json!({ "kind": "started" }))).await;
    keep(&other, &json!({ "request": sentence(), "name": "ours" })).await;
    let (status, answer) = read(&other, &saved(&app).await).await;
    assert_eq!(status, 200, "{answer}");
    assert_eq!(came(&answer, "machines"), (1, 1));
    assert_eq!(came(&answer, "events"), (1, 0));
    let (_, machines) = get(&other, "/api/machines").await;
    let mut told: Vec<(&str, i64)> = machines["items"]
        .as_array()
        .unwrap()
        .iter()
        .map(|one| {
            (
                one["machine"]["name"].as_str().unwrap(),
                one["cooks"].as_i64().unwrap(),
            )
        })
        .collect();
    told.sort_unstable();
    assert_eq!(
        told,
        [("the drum", 1), ("the drum (2)", 0), ("the same", 1)]
    );
    assert_eq!(get(&other, "/api/cooks").await.1["total"], 2);
}

/// What is no archive of a kitchen is refused with its reason, and nothing of it is added.
#[actix_web::test]
async fn files_that_are_none_are_refused() {
    let database = Database::new();
    let app = server(&database).await;
    keep(&app, &json!({ "request": sentence() })).await;
    let archive = saved(&app).await;
    let empty = Database::new();
    let app = server(&empty).await;
    let whole = files(&archive);
    let with = |name: &str, text: &str| {
        let mut files = whole.clone();
        files.retain(|(known, _)| known != name);
        files.push((name.to_owned(), text.to_owned()));
        zipped(&files)
    };
    let without = |name: &str| {
        let files: Vec<_> = whole
            .iter()
            .filter(|(known, _)| known != name)
            .cloned()
            .collect();
        zipped(&files)
    };
    let about = &whole
        .iter()
        .find(|(name, _)| name == "kitchen.json")
        .unwrap()
        .1;
    let cook = &whole
        .iter()
        .find(|(name, _)| name == "cooks.jsonl")
        .unwrap()
        .1;
    let mut nameless: Value = serde_json::from_str(cook).unwrap();
    nameless["name"] = json!("");
    // A cook of another household is none of this one: whose it is does not stand in the file.
    let mut theirs: Value = serde_json::from_str(cook).unwrap();
    theirs["household_id"] = json!("00000000-0000-4000-8000-00000000dead");
    for (archive, why) in [
        (b"not a zip".to_vec(), "no archive of a kitchen"),
        (with("../../etc/cron.d/x", "x"), "../../etc/cron.d/x"),
        (with("/etc/passwd", "x"), "/etc/passwd"),
        (without("kitchen.json"), "kitchen.json is missing"),
        (without("cooks.jsonl"), "cooks.jsonl is missing"),
        (
            with(
                "kitchen.json",
                &about.replace("zesty-ember-household", "a-diary"),
            ),
            "does not say",
        ),
        (
            with(
                "kitchen.json",
                &about.replace("\"version\": 2", "\"version\": 3"),
            ),
            "newer",
        ),
        (with("cooks.jsonl", "{ \"id\": "), "cooks.jsonl, line 1"),
        (
            with("cooks.jsonl", "{ \"id\": 7 }"),
            "cooks.jsonl, line 1: id: 7",
        ),
        (
            with("cooks.jsonl", &nameless.to_string()),
            "cooks_name_fits",
        ),
        (with("machines.jsonl", &"x".repeat(5 << 20)), "larger than"),
    ] {
        let (status, problem) = read(&app, &archive).await;
        assert_eq!(
            (status, &problem["code"]),
            (422, &json!("invalid")),
            "{why}: {problem}"
        );
        assert!(
            problem["detail"].as_str().unwrap().contains(why),
            "{why}: {problem}"
        );
        assert_eq!(get(&app, "/api/cooks").await.1["total"], 0);
    }
    let (status, _) = read(&app, &with("cooks.jsonl", &theirs.to_string())).await;
    assert_eq!(
        (status, get(&app, "/api/cooks").await.1["total"].clone()),
        (200, json!(1))
    );
    // A bomb: much out of little. It is not unpacked further than a line may be long.
    let bomb = with("events.jsonl", &"0".repeat(64 << 20));
    assert!(bomb.len() < 1 << 20);
    assert_eq!(read(&app, &bomb).await.0, 422);
    // And by its size before it is a file at all.
    let (status, problem) = read(&app, &vec![0; 65 << 20]).await;
    assert_eq!((status, &problem["code"]), (413, &json!("too_large")));
}

/// From one household into another of the same server, where identities are the same and nothing is shared.
#[actix_web::test]
async fn one_household_is_read_into_another() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let (first, other) = (
        Device::first(&app, &database).await,
        Device::first(&app, &database).await,
    );
    let cook = first
        .does(
            &app,
            "POST",
            "/api/cooks",
            Some(&json!({ "request": sentence() })),
        )
        .await;
    let thermometer = first
        .does(
            &app,
            "POST",
            "/api/thermometers",
            Some(&json!({ "name": "probe" })),
        )
        .await;
    let asked = request("GET", PATH, None).insert_header(("cookie", first.0.as_str()));
    let archive = read_body(call_service(&app, asked.to_request()).await)
        .await
        .to_vec();
    let text: String = files(&archive).into_iter().map(|(_, text)| text).collect();
    assert!(!text.contains(thermometer["token"].as_str().unwrap()));
    let sent = request("POST", PATH, None)
        .insert_header(("cookie", other.0.as_str()))
        .insert_header(("content-type", "application/zip"))
        .set_payload(archive);
    assert_eq!(support::call(&app, sent).await.0, 200);
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    other.does(&app, "DELETE", &path, None).await;
    assert_eq!(first.asks(&app, "GET", &path, None).await.0, 200);
    // Whoever does not say that it is a zip file is told so.
    let json = other.asks(&app, "POST", PATH, Some(&json!({}))).await;
    assert_eq!(json.0, 415);
}

/// How much a kitchen holds is told, and what is more than it may is refused.
#[actix_web::test]
async fn growth_is_bounded_and_told() {
    let database = Database::new();
    start(&database, Utc::now()).unwrap();
    let app = server(&database).await;
    let (_, kitchen) = get(&app, "/api/household").await;
    let held = |kitchen: &Value, kind: &str| {
        let all = kitchen["held"].as_array().unwrap().clone();
        all.into_iter().find(|one| one["kind"] == kind).unwrap()
    };
    assert_eq!(held(&kitchen, "cooks")["count"], 9);
    let most = held(&kitchen, "machines")["most"].as_i64().unwrap();
    RunQueryDsl::execute(
        diesel::sql_query(format!(
            "INSERT INTO machines (id, name, profile, created_at)
             SELECT gen_random_uuid(), 'machine ' || n, '{{}}', now() FROM generate_series(3, {most}) AS n"
        )),
        &mut database.connection(),
    )
    .unwrap();
    let mut machine = sentence()["machine"].clone();
    machine["name"] = json!("one too many");
    let (status, problem) = post(&app, "/api/machines", &machine).await;
    assert_eq!(
        (status, &problem["code"]),
        (507, &json!("full")),
        "{problem}"
    );
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .contains(&most.to_string())
    );
    let (_, kitchen) = get(&app, "/api/household").await;
    assert_eq!(held(&kitchen, "machines")["count"], most);
}

/// A file of version 1 of the format had no photographs; it is read as it was.
#[actix_web::test]
async fn a_file_of_an_earlier_version_is_read() {
    let (from, to) = (Database::new(), Database::new());
    start(&from, Utc::now()).unwrap();
    start_as(&to, Utc::now(), false).unwrap();
    let (app, other) = (server(&from).await, server(&to).await);
    let mut earlier = files(&saved(&app).await);
    earlier.retain(|(name, _)| name != "photos.jsonl");
    let about = earlier.iter_mut().find(|(name, _)| name == "kitchen.json");
    let (_, text) = about.unwrap();
    assert!(text.contains("\"version\": 2"));
    *text = text.replace("\"version\": 2", "\"version\": 1");
    let (status, answer) = read(&other, &zipped(&earlier)).await;
    assert_eq!(status, 200, "{answer}");
    assert_eq!(
        (came(&answer, "cooks"), came(&answer, "photos")),
        ((9, 0), (0, 0))
    );
}

/// An archive of the demo in which one value of one line of a file is another one.
fn with(archive: &[u8], file: &str, column: &str, value: &Value) -> Vec<u8> {
    let mut all = files(archive);
    let (_, text) = all.iter_mut().find(|(name, _)| name == file).unwrap();
    let mut lines: Vec<Value> = text
        .lines()
        .map(|line| serde_json::from_str(line).unwrap())
        .collect();
    let at = lines.len() - 1;
    lines[at][column] = value.clone();
    *text = lines.iter().map(|line| format!("{line}\n")).collect();
    zipped(&all)
}

/// A cook with an unreadable time, or with the last possible revision, broke its lists until it was repaired in SQL. Such
/// a row is refused with its file and line.
#[actix_web::test]
async fn rows_that_no_kitchen_has_are_refused_by_line() {
    let (from, to) = (Database::new(), Database::new());
    start(&from, Utc::now()).unwrap();
    start_as(&to, Utc::now(), false).unwrap();
    let (app, other) = (server(&from).await, server(&to).await);
    let archive = saved(&app).await;
    let far = json!("294000-01-01T00:00:00+00:00");
    for (file, column, value) in [
        ("cooks.jsonl", "created_at", json!("infinity")),
        ("cooks.jsonl", "created_at", json!("-infinity")),
        ("cooks.jsonl", "started_at", far.clone()),
        ("cooks.jsonl", "revision", json!(2_147_483_647)),
        ("cooks.jsonl", "revision", json!(0)),
        ("cooks.jsonl", "id", json!("x")),
        ("cooks.jsonl", "name", json!("\u{200b}\u{200b}")),
        ("cooks.jsonl", "name", json!("wings\u{202e}sgniw")),
        ("cooks.jsonl", "name", json!(null)),
        ("events.jsonl", "at", json!("0001-01-01T00:00:00Z BC")),
        ("machines.jsonl", "created_at", far.clone()),
        (
            "machines.jsonl",
            "profile",
            json!({ "version": 1, "holds": { "floor": 1e308 } }),
        ),
        ("cards.jsonl", "created_at", far.clone()),
        ("suppers.jsonl", "changed_at", json!("infinity")),
        (
            "suppers.jsonl",
            "document",
            json!({ "version": 1, "holds": { "eat_at": far } }),
        ),
        (
            "suppers.jsonl",
            "document",
            json!({ "version": 1, "holds": { "eat_at": "+200000-01-01T00:00:00Z" } }),
        ),
        ("settings.jsonl", "changed_at", far.clone()),
        (
            "photos.jsonl",
            "bytes",
            json!("\\x3c7363726970743e616c6572742831293c2f7363726970743e"),
        ),
        ("photos.jsonl", "bytes", json!("\\xzz")),
    ] {
        let (status, problem) = read(&other, &with(&archive, file, column, &value)).await;
        assert_eq!(
            (status, &problem["code"]),
            (422, &json!("invalid")),
            "{file} {column} {value}: {problem}"
        );
        let detail = problem["detail"].as_str().unwrap();
        assert!(detail.contains(&format!("{file}, line ")), "{detail}");
    }
    // Nothing of it was added; as it is it is read.
    assert_eq!(get(&other, "/api/cooks").await.1["total"], 0);
    assert_eq!(read(&other, &archive).await.0, 200);
}

/// The database refuses such rows too.
#[actix_web::test]
async fn the_database_takes_no_time_that_cannot_be_read() {
    let database = Database::new();
    start(&database, Utc::now()).unwrap();
    let mut owner = database.connection();
    for wrong in [
        "UPDATE cooks SET created_at = 'infinity'",
        "UPDATE cooks SET started_at = '294000-01-01'",
        "UPDATE machines SET created_at = '-infinity'",
        "UPDATE cards SET deleted_at = '1999-01-01'",
        "UPDATE suppers SET changed_at = 'infinity'",
        "UPDATE thermometers SET created_at = 'infinity'",
        "INSERT INTO thermometers (id, name, created_at) VALUES (gen_random_uuid(), 'x', 'infinity')",
        "UPDATE cooks SET revision = 2147483647",
        "UPDATE households SET revision = 2147483647",
    ] {
        let done = diesel::sql_query(wrong).execute(&mut owner);
        let is_nothing = done.as_ref().is_ok_and(|rows| *rows == 0);
        assert!(
            done.is_err() || is_nothing && wrong.contains("UPDATE thermometers"),
            "{wrong}"
        );
    }
}

/// An archive of 0.9 MB with 900 MB of line ends kept a thread busy for minutes after its client had left.
#[actix_web::test]
async fn an_archive_that_unpacks_to_nothing_is_refused_at_once() {
    let database = Database::new();
    start_as(&database, Utc::now(), false).unwrap();
    let app = server(&database).await;
    let mut all = files(&saved(&app).await);
    for (name, text) in &mut all {
        if name == "cooks.jsonl" {
            *text = "\n".repeat(300 << 20);
        }
    }
    let bomb = zipped(&all);
    drop(all);
    assert!(bomb.len() < 2 << 20, "{}", bomb.len());
    let (status, problem) = read(&app, &bomb).await;
    assert_eq!(status, 422, "{problem}");
    assert!(
        problem["detail"].as_str().unwrap().contains("unpacked"),
        "{problem}"
    );
    // The next one has its turn.
    assert_eq!(read(&app, &saved(&app).await).await.0, 200);
}

/// One archive of a household is written or read at a time. Another household is not delayed, and the refusal gives the
/// reason.
#[actix_web::test]
async fn one_archive_of_a_household_at_a_time() {
    let database = Database::new();
    let app = server_with_doors(&database).await;
    let (first, other) = (
        Device::first(&app, &database).await,
        Device::first(&app, &database).await,
    );
    // A locked table keeps the first one waiting.
    let mut holder = database.connection();
    diesel::connection::SimpleConnection::batch_execute(
        &mut holder,
        "BEGIN; LOCK TABLE machines IN ACCESS EXCLUSIVE MODE",
    )
    .unwrap();
    let slow = first.reads(&app, "GET", PATH, None);
    let meanwhile = async {
        actix_web::rt::time::sleep(std::time::Duration::from_millis(400)).await;
        let (status, problem) = first.asks(&app, "GET", PATH, None).await;
        assert_eq!((status, &problem["code"]), (503, &json!("busy")));
        let detail = problem["detail"].as_str().unwrap();
        assert!(
            detail.contains("already") && !detail.contains("plans"),
            "{detail}"
        );
        diesel::connection::SimpleConnection::batch_execute(&mut holder, "COMMIT").unwrap();
        other.reads(&app, "GET", PATH, None).await.0
    };
    let ((slow, _), other) = futures_util::future::join(slow, meanwhile).await;
    assert_eq!((slow, other), (200, 200));
}

/// A file brought 120 photographs of one cook, and adding and deleting brought 40. Both are bounded now.
#[actix_web::test]
async fn photographs_are_counted_however_they_come() {
    let (from, to) = (Database::new(), Database::new());
    start(&from, Utc::now()).unwrap();
    start_as(&to, Utc::now(), false).unwrap();
    let (app, other) = (server(&from).await, server(&to).await);
    let archive = saved(&app).await;
    let mut all = files(&archive);
    let (_, text) = all
        .iter_mut()
        .find(|(name, _)| name == "photos.jsonl")
        .unwrap();
    let one: Value = serde_json::from_str(text.lines().next().unwrap()).unwrap();
    for n in 0..5 {
        let mut more = one.clone();
        more["id"] = json!(format!("7d9f4a70-0000-4000-8000-00000000000{n}"));
        text.push_str(&format!("{more}\n"));
    }
    let (status, problem) = read(&other, &zipped(&all)).await;
    assert_eq!(status, 422, "{problem}");
    assert!(
        problem["detail"]
            .as_str()
            .unwrap()
            .contains("photos.jsonl, line"),
        "{problem}"
    );
    let cook = keep(&app, &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}/photos", cook["id"].as_str().unwrap());
    for n in 0..8 {
        let sent = request("POST", &path, None).set_payload(ember_server::demo::photograph(n));
        let (status, photo) = support::call(&app, sent).await;
        assert_eq!(status, 201, "{photo}");
        let photo = format!("/api/photos/{}", photo["id"].as_str().unwrap());
        assert_eq!(
            support::call(&app, request("DELETE", &photo, None)).await.0,
            204
        );
    }
    let id = cook["id"].as_str().unwrap();
    let held = diesel::sql_query(format!("SELECT 1 FROM photos WHERE cook_id = '{id}'"))
        .execute(&mut from.connection())
        .unwrap();
    assert_eq!(held, 3);
    let (_, household) = get(&app, "/api/household").await;
    let kinds = household["held"].as_array().unwrap();
    assert!(
        kinds.iter().any(|one| one["kind"] == "photos"),
        "{household}"
    );
}
