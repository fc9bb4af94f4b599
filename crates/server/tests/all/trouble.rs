//! When things stand still, come in crowds, or end in the middle.

use crate::support;

use std::io::{BufRead, BufReader, Read, Write};
use std::net::{Shutdown, TcpListener, TcpStream};
use std::process::{Child, Command, Stdio};
use std::sync::atomic::{AtomicBool, AtomicUsize, Ordering};
use std::sync::{Arc, mpsc};
use std::time::{Duration, Instant};

use crate::support::{Database, call, get, post, report, sentence, server, server_at, site};
use actix_web::rt;
use actix_web::test::TestRequest;
use diesel::connection::SimpleConnection;
use ember_core::fryer::PRESETS;
use ember_core::meat::CutId;
use ember_core::plan::{Request, plan};
use ember_server::admission::Cost;
use ember_server::app;
use ember_server::context::Context;
use ember_server::db::households::HOME;
use ember_server::error::ApiError;
use ember_server::who::Who;
use serde_json::{Value, json};
use uuid::Uuid;

/// A wire to the database that can be cut without a word: what is sent is taken and goes nowhere.
struct Wire {
    port: u16,
    frozen: Arc<AtomicBool>,
}

impl Wire {
    fn to(database: &Database) -> (Self, String) {
        let url = database.url();
        let (head, tail) = url.rsplit_once('@').unwrap();
        let (address, name) = tail.split_once('/').unwrap();
        let address = address.to_owned();
        let listener = TcpListener::bind("127.0.0.1:0").unwrap();
        let port = listener.local_addr().unwrap().port();
        let frozen = Arc::new(AtomicBool::new(false));
        let wire = Self {
            port,
            frozen: Arc::clone(&frozen),
        };
        std::thread::spawn(move || {
            for near in listener.incoming() {
                let (near, far) = (near.unwrap(), TcpStream::connect(&address).unwrap());
                for (from, to) in [
                    (near.try_clone().unwrap(), far.try_clone().unwrap()),
                    (far, near),
                ] {
                    let frozen = Arc::clone(&frozen);
                    std::thread::spawn(move || carry(from, to, &frozen));
                }
            }
        });
        let through = format!("{head}@127.0.0.1:{}/{name}", wire.port);
        (wire, through)
    }

    fn freeze(&self, frozen: bool) {
        self.frozen.store(frozen, Ordering::SeqCst);
    }
}

fn carry(mut from: TcpStream, mut to: TcpStream, frozen: &AtomicBool) {
    let mut buffer = [0; 4096];
    while let Ok(count) = from.read(&mut buffer) {
        while frozen.load(Ordering::SeqCst) {
            std::thread::sleep(Duration::from_millis(20));
        }
        if count == 0 || to.write_all(&buffer[..count]).is_err() {
            break;
        }
    }
    let _ = to.shutdown(Shutdown::Both);
}

/// A database that stands still answered health after 17 s. Not measured here, but bounded: far longer
/// than it may take, far shorter than it did.
#[actix_web::test]
async fn a_database_that_stands_still_is_told_as_down() {
    let database = Database::new();
    let (wire, url) = Wire::to(&database);
    let app = server_at(&url).await;
    assert_eq!(get(&app, "/api/health").await.0, 200);
    wire.freeze(true);
    let begun = Instant::now();
    // More at once than there are connections.
    let asked = (0..30).map(|_| get(&app, "/api/health"));
    for (status, problem) in futures(asked).await {
        assert_eq!((status, &problem["code"]), (503, &json!("database_down")));
    }
    assert!(
        begun.elapsed() < Duration::from_secs(8),
        "{:?}",
        begun.elapsed()
    );
    // What needs no database goes on.
    assert_eq!(post(&app, "/api/plans/preview", &sentence()).await.0, 200);
    wire.freeze(false);
    let back = Instant::now();
    while get(&app, "/api/health").await.0 != 200 {
        assert!(
            back.elapsed() < Duration::from_secs(30),
            "it does not come back"
        );
    }
}

/// All of them at once.
async fn futures<T: 'static>(all: impl Iterator<Item = impl Future<Output = T>>) -> Vec<T> {
    let mut all: Vec<_> = all.map(Box::pin).collect();
    let mut done: Vec<Option<T>> = all.iter().map(|_| None).collect();
    std::future::poll_fn(|context| {
        for (future, done) in all.iter_mut().zip(&mut done) {
            if done.is_none()
                && let std::task::Poll::Ready(answer) = future.as_mut().poll(context)
            {
                *done = Some(answer);
            }
        }
        if done.iter().all(Option::is_some) {
            std::task::Poll::Ready(())
        } else {
            std::task::Poll::Pending
        }
    })
    .await;
    done.into_iter().flatten().collect()
}

/// A database whose disk is full is told as such, as PostgreSQL says it (SQLSTATE 53100, played by a trigger), and
/// what is stored can still be read; with room again all goes on.
#[actix_web::test]
async fn a_full_disk_is_told_and_loses_nothing() {
    use diesel::connection::SimpleConnection;
    let database = Database::new();
    let app = server(&database).await;
    let kept = support::keep(&app, &json!({ "request": sentence() })).await;
    database
        .connection()
        .batch_execute(
            "CREATE FUNCTION full_disk() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN
                 RAISE 'could not extend file \"base/16384/16422\": No space left on device'
                     USING ERRCODE = '53100';
             END $$;
             CREATE TRIGGER full_disk BEFORE INSERT ON cooks EXECUTE FUNCTION full_disk()",
        )
        .unwrap();
    let (status, problem) = post(&app, "/api/cooks", &json!({ "request": sentence() })).await;
    assert_eq!(
        (status, &problem["code"]),
        (507, &json!("database_full")),
        "{problem}"
    );
    let path = format!("/api/cooks/{}", kept["id"].as_str().unwrap());
    assert_eq!(get(&app, &path).await.0, 200);
    database
        .connection()
        .batch_execute("DROP TRIGGER full_disk ON cooks")
        .unwrap();
    let (status, _) = post(&app, "/api/cooks", &json!({ "request": sentence() })).await;
    assert_eq!(status, 201);
}

/// Many wait for a row that somebody holds: they are told that it is busy, and everybody else is
/// answered as ever.
#[actix_web::test]
async fn waiting_for_one_row_keeps_nobody_else() {
    let database = Database::new();
    let app = server(&database).await;
    let (_, cook) = post(&app, "/api/cooks", &json!({ "request": sentence() })).await;
    let id = cook["id"].as_str().unwrap();
    let mut holder = database.connection();
    holder
        .batch_execute(&format!(
            "BEGIN; SELECT 1 FROM cooks WHERE id = '{id}' FOR UPDATE"
        ))
        .unwrap();
    let events = format!("/api/cooks/{id}/events");
    let waiting = (0..8).map(|_| {
        let (app, events) = (&app, events.as_str());
        let start = report(json!({ "kind": "started" }));
        async move { post(app, events, &start).await }
    });
    let (waited, others) = tokio::join!(futures(waiting), async {
        let mut answered = Vec::new();
        for path in ["/api/health", "/api/cooks", "/api/machines", "/api/suppers"] {
            answered.push(get(&app, path).await.0);
        }
        answered
    });
    assert_eq!(others, [200; 4]);
    for (status, problem) in waited {
        assert_eq!(
            (status, &problem["code"]),
            (503, &json!("database_busy")),
            "{problem}"
        );
    }
    holder.batch_execute("ROLLBACK").unwrap();
    let start = report(json!({ "kind": "started" }));
    assert_eq!(post(&app, &events, &start).await.0, 200);
}

fn somebody() -> Who {
    Who {
        household: HOME,
        device: None,
    }
}

fn request() -> Request {
    Request::usual(CutId::Drumstick, PRESETS[1].machine())
}

/// A computation whose client has gone ends in the middle: what is left of it takes a fraction of the
/// time it would have taken, since every cook in it ends at its first step.
#[actix_web::test]
async fn a_computation_nobody_waits_for_ends() {
    const PLANS: usize = 400;
    let context = Context::new("postgres://nobody@127.0.0.1:9/nothing");
    let (begun, has_begun) = mpsc::channel();
    let done = Arc::new(AtomicUsize::new(0));
    let (counted, (ended, has_ended)) = (Arc::clone(&done), mpsc::channel());
    let computing = {
        let context = context.clone();
        rt::spawn(async move {
            let _ = context
                .compute(somebody(), Cost::Usual, move || {
                    begun.send(()).unwrap();
                    for _ in 0..PLANS {
                        if plan(&request()).is_ok() {
                            counted.fetch_add(1, Ordering::Relaxed);
                        }
                    }
                    ended.send(()).unwrap();
                    Ok::<_, ApiError>(())
                })
                .await;
        })
    };
    while has_begun.try_recv().is_err() {
        rt::time::sleep(Duration::from_millis(5)).await;
    }
    computing.abort();
    let _ = computing.await;
    let before = done.load(Ordering::Relaxed);
    has_ended.recv_timeout(Duration::from_secs(60)).unwrap();
    let after = done.load(Ordering::Relaxed);
    // The one that was just being finished when it was counted.
    assert!(after <= before + 1 && after < PLANS, "{before}, {after}");
    // The next one is answered.
    let answer = context.compute(somebody(), Cost::Cheap, || {
        Ok::<_, ApiError>(plan(&request())?.batches.len())
    });
    assert_eq!(answer.await.unwrap(), 1);
}

/// More computations than there is room for: the last are told to come back, with when.
#[actix_web::test]
async fn a_crowd_is_told_to_come_back() {
    let database = Database::new();
    let app = server(&database).await;
    let asked = (0..60).map(|n| {
        let mut sentence = sentence();
        sentence["piece_mass_g"] = json!(110.0 + f64::from(n) / 10.0);
        let request = TestRequest::post()
            .uri("/api/plans/preview")
            .set_json(&sentence);
        let request = request.insert_header(("host", "localhost")).to_request();
        let app = &app;
        async move {
            let response = actix_web::test::call_service(app, request).await;
            let again = response.headers().get("retry-after").cloned();
            (response.status().as_u16(), again)
        }
    });
    let answers = futures(asked).await;
    let busy = answers.iter().filter(|(status, _)| *status == 503);
    assert!(busy.clone().count() > 0);
    assert!(
        busy.clone()
            .all(|(_, again)| again.as_ref().is_some_and(|again| again == "1"))
    );
    assert!(
        answers
            .iter()
            .all(|(status, _)| [200, 503].contains(status))
    );
    assert!(answers.iter().filter(|(status, _)| *status == 200).count() >= 30);
    assert_eq!(post(&app, "/api/plans/preview", &sentence()).await.0, 200);
}

/// Two dishes and thirty machines took 45 s: a few of the machines are looked at, not all.
#[actix_web::test]
async fn alternatives_are_bounded() {
    let database = Database::new();
    let app = server(&database).await;
    for n in 0..30 {
        let mut machine = sentence()["machine"].clone();
        machine["name"] = json!(format!("machine {n}"));
        assert_eq!(post(&app, "/api/machines", &machine).await.0, 201);
    }
    let mut supper = json!({ "name": "Supper", "eaters": 4, "hands": 1, "rings": 4, "shelves": 3,
        "serve_at": chrono::Utc::now() + chrono::Duration::minutes(30),
        "dishes": [{ "cook": { "request": sentence() } }, { "cook": { "request": sentence() } }] });
    supper["dishes"][1]["cook"]["request"]["pieces"] = json!(16);
    let (status, plan) = post(&app, "/api/suppers/preview", &supper).await;
    assert_eq!(status, 200, "{plan}");
    let elsewhere = plan["alternatives"]
        .as_array()
        .unwrap()
        .iter()
        .filter(|way| {
            way["words"]["text"]
                .as_str()
                .unwrap()
                .contains(" in machine ")
        });
    assert!(elsewhere.count() <= 6);
}

/// One request over a connection of its own; whatever comes back.
fn ask(port: u16, method: &str, path: &str, body: &Value) -> Option<(u16, Value)> {
    let mut stream = TcpStream::connect(("127.0.0.1", port)).ok()?;
    let body = if body.is_null() {
        String::new()
    } else {
        body.to_string()
    };
    write!(
        stream,
        "{method} {path} HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n\
         Content-Type: application/json\r\nContent-Length: {}\r\n\r\n{body}",
        body.len()
    )
    .ok()?;
    let mut answer = String::new();
    stream.read_to_string(&mut answer).ok()?;
    let (head, body) = answer.split_once("\r\n\r\n")?;
    let status = head.split(' ').nth(1)?.parse().ok()?;
    Some((status, serde_json::from_str(body).unwrap_or_default()))
}

/// A connection whose other side is closed waits for nothing, also where it still listens.
#[actix_web::test]
async fn half_closed_connections_count_as_gone() {
    let database = Database::new();
    let listener = TcpListener::bind("127.0.0.1:0").unwrap();
    let port = listener.local_addr().unwrap().port();
    let running = app::server(
        site(&database.url()),
        app::Sockets {
            plain: vec![listener],
            ..app::Sockets::default()
        },
    )
    .unwrap();
    let handle = running.handle();
    rt::spawn(running);
    let answered = rt::task::spawn_blocking(move || {
        let body = sentence().to_string();
        let mut stream = TcpStream::connect(("127.0.0.1", port)).unwrap();
        write!(
            stream,
            "POST /api/plans/preview HTTP/1.1\r\nHost: localhost\r\n\
             Content-Type: application/json\r\nContent-Length: {}\r\n\r\n{body}",
            body.len()
        )
        .unwrap();
        stream.shutdown(Shutdown::Write).unwrap();
        let mut answer = String::new();
        let _ = stream.read_to_string(&mut answer);
        // The same on a whole connection is answered.
        let whole = ask(port, "POST", "/api/plans/preview", &sentence());
        (answer, whole.map(|(status, _)| status))
    })
    .await
    .unwrap();
    handle.stop(false).await;
    assert_eq!(answered, (String::new(), Some(200)));
}

/// A server process of its own.
struct Process {
    child: Child,
    port: u16,
}

impl Process {
    fn start(database: &Database) -> Self {
        let port = TcpListener::bind("127.0.0.1:0")
            .unwrap()
            .local_addr()
            .unwrap()
            .port();
        let mut child = Command::new(env!("CARGO_BIN_EXE_ember-server"))
            .args(["--no-demo", "--port", &port.to_string()])
            .args([
                "--web-dir",
                concat!(env!("CARGO_MANIFEST_DIR"), "/tests/all/fixtures/web"),
            ])
            .env("DATABASE_URL", database.url())
            .env("RUST_LOG", "error")
            .stdout(Stdio::piped())
            .spawn()
            .unwrap();
        let mut lines = BufReader::new(child.stdout.take().unwrap()).lines();
        assert!(lines.any(|line| line.unwrap().contains("is ready")));
        Self { child, port }
    }

    fn signal(&self, name: &str) {
        let sent = Command::new("kill")
            .args([name, &self.child.id().to_string()])
            .status();
        assert!(sent.unwrap().success());
    }
}

impl Drop for Process {
    fn drop(&mut self) {
        let _ = self.child.kill();
        let _ = self.child.wait();
    }
}

/// Ctrl-C and a plain kill let what is under way end, and the process with it.
#[test]
fn a_server_that_is_stopped_answers_what_it_was_asked() {
    let database = Database::new();
    for signal in ["-INT", "-TERM"] {
        let mut server = Process::start(&database);
        let port = server.port;
        let (asked, was_asked) = mpsc::channel();
        let askers: Vec<_> = (0..12)
            .map(|_| {
                let asked = asked.clone();
                std::thread::spawn(move || {
                    let wish = json!({ "request": sentence() });
                    let body = wish.to_string();
                    let mut stream = TcpStream::connect(("127.0.0.1", port)).unwrap();
                    write!(
                        stream,
                        "POST /api/plans/preparation HTTP/1.1\r\nHost: localhost\r\n\
                         Connection: close\r\nContent-Type: application/json\r\n\
                         Content-Length: {}\r\n\r\n{body}",
                        body.len()
                    )
                    .unwrap();
                    asked.send(()).unwrap();
                    let mut answer = String::new();
                    stream.read_to_string(&mut answer).unwrap();
                    answer.lines().next().map(str::to_owned)
                })
            })
            .collect();
        for _ in 0..12 {
            was_asked.recv().unwrap();
        }
        // Time enough to have come in, not to have been answered.
        std::thread::sleep(Duration::from_millis(300));
        server.signal(signal);
        let answers: Vec<_> = askers
            .into_iter()
            .map(|asker| asker.join().unwrap())
            .collect();
        // On a slow machine the last in the queue are told to try again; nobody is cut off.
        let answered = |status: &str| {
            answers
                .iter()
                .flatten()
                .filter(|line| line.contains(status))
                .count()
        };
        assert!(answered(" 200 ") > 0, "{signal}: {answers:?}");
        assert_eq!(
            answered(" 200 ") + answered(" 503 "),
            12,
            "{signal}: {answers:?}"
        );
        assert!(server.child.wait().unwrap().success(), "{signal}");
    }
}

/// Killed again and again while four write: what was answered is there, once, and nothing else is torn.
#[test]
fn a_server_killed_under_writers_loses_nothing_that_was_answered() {
    let database = Database::new();
    let mut server = Process::start(&database);
    let (status, cook) = ask(
        server.port,
        "POST",
        "/api/cooks",
        &json!({ "request": sentence() }),
    )
    .unwrap();
    assert_eq!(status, 201);
    let events = format!("/api/cooks/{}/events", cook["id"].as_str().unwrap());
    ask(
        server.port,
        "POST",
        &events,
        &report(json!({ "kind": "started" })),
    )
    .unwrap();
    let mut told: Vec<String> = Vec::new();
    for _ in 0..4 {
        let port = server.port;
        let (answered, was_answered) = mpsc::channel();
        let writers: Vec<_> = (0..4)
            .map(|_| {
                let (events, answered) = (events.clone(), answered.clone());
                std::thread::spawn(move || {
                    let mut told = Vec::new();
                    loop {
                        let id = Uuid::new_v4();
                        let door = json!({ "id": id, "happening": { "kind": "door_opened", "open_s": 2.0 } });
                        match ask(port, "POST", &events, &door) {
                            Some((200, _)) => {
                                told.push(id.to_string());
                                let _ = answered.send(());
                            }
                            Some((503, _)) => {}
                            Some((status, problem)) => panic!("{status} {problem}"),
                            None => return told,
                        }
                    }
                })
            })
            .collect();
        for _ in 0..6 {
            was_answered.recv_timeout(Duration::from_secs(20)).unwrap();
        }
        server.signal("-KILL");
        server.child.wait().unwrap();
        told.extend(
            writers
                .into_iter()
                .flat_map(|writer| writer.join().unwrap()),
        );
        server = Process::start(&database);
    }
    let (_, whole) = ask(
        server.port,
        "GET",
        events.trim_end_matches("/events"),
        &Value::Null,
    )
    .unwrap();
    let stored: Vec<&str> = whole["events"]
        .as_array()
        .unwrap()
        .iter()
        .map(|event| event["id"].as_str().unwrap())
        .collect();
    let mut unique = stored.clone();
    unique.sort_unstable();
    unique.dedup();
    assert_eq!(unique.len(), stored.len());
    for id in &told {
        assert!(
            stored.contains(&id.as_str()),
            "{id} was answered and is not there"
        );
    }
}

/// Two devices on two servers tell one cook different things at the same time.
#[actix_web::test]
async fn two_servers_take_reports_of_one_cook() {
    let database = Database::new();
    let apps = [server(&database).await, server(&database).await];
    let (_, cook) = post(&apps[0], "/api/cooks", &json!({ "request": sentence() })).await;
    let path = format!("/api/cooks/{}", cook["id"].as_str().unwrap());
    let events = format!("{path}/events");
    post(&apps[0], &events, &report(json!({ "kind": "started" }))).await;
    let (doors, readings) = tokio::join!(
        futures((0..4).map(|_| {
            let (app, events) = (&apps[0], events.as_str());
            let door = report(json!({ "kind": "door_opened", "open_s": 3.0 }));
            async move { post(app, events, &door).await.0 }
        })),
        futures((0..4).map(|n| {
            let (app, events) = (&apps[1], events.as_str());
            let reading = report(json!({ "kind": "reading", "core_c": 30.0 + f64::from(n) }));
            async move { post(app, events, &reading).await.0 }
        }))
    );
    assert_eq!((doors, readings), (vec![200; 4], vec![200; 4]));
    let [here, there] = [get(&apps[0], &path).await.1, get(&apps[1], &path).await.1];
    assert_eq!(here["events"].as_array().unwrap().len(), 9);
    assert_eq!(here["events"], there["events"]);
    let gone = TestRequest::delete().uri(&path);
    assert_eq!(call(&apps[1], gone).await.0, 204);
    assert_eq!(get(&apps[0], &path).await.0, 404);
}
