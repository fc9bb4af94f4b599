//! Plays a leave-in thermometer with two channels, core and air: an outside device with its own truth, its own
//! clock and its own faults. It knows nothing of the plan; what it sends is documented in the API description.
//!
//! `ember-probe --url http://127.0.0.1:8080 --token TOKEN --began-ago 1800 --speed 60` tells half an hour of a
//! cook in half a minute, as if it had begun half an hour ago.

mod dice;
mod meat;

use std::process::ExitCode;
use std::thread::sleep;
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use clap::Parser;
use dice::Dice;
use meat::Meat;
use serde_json::{Value, json};

/// What can be said.
#[derive(Debug, Parser)]
#[command(about = "Plays a leave-in thermometer: channel 1 in the meat, channel 2 in the air")]
struct Said {
    /// Where Zesty Ember runs.
    #[arg(long, default_value = "http://127.0.0.1:8080")]
    url: String,
    /// The secret part of the thermometer's address.
    #[arg(long)]
    token: String,
    /// Waits until channel 1 is tied to a cook, and begins when that was loaded.
    #[arg(long)]
    follow: bool,
    /// The cook began so many seconds ago.
    #[arg(long, default_value_t = 0.0)]
    began_ago: f64,
    /// So many seconds of the cook in one.
    #[arg(long, default_value_t = 1.0)]
    speed: f64,
    /// Which truth, noise and faults.
    #[arg(long, default_value_t = 1)]
    seed: u64,
    /// The machine's setting, °C.
    #[arg(long, default_value_t = 190.0)]
    setting: f64,
    /// For so long, minutes of the cook.
    #[arg(long, default_value_t = 60.0)]
    minutes: f64,
    /// Values in °F.
    #[arg(long)]
    fahrenheit: bool,
    /// Without drop-outs and slips.
    #[arg(long)]
    faultless: bool,
}

/// A reading every so many seconds of the cook.
const EVERY: f64 = 10.0;
/// The device's clock is wrong by at most so many seconds.
const SKEW: f64 = 150.0;
/// Between two looks for a cook to follow.
const LOOK: Duration = Duration::from_secs(2);

fn main() -> ExitCode {
    let said = Said::parse();
    match play(&said) {
        Ok(sent) => {
            println!("{sent} readings sent");
            ExitCode::SUCCESS
        }
        Err(error) => {
            eprintln!("ember-probe: {error}");
            ExitCode::FAILURE
        }
    }
}

type Outcome<T> = Result<T, Box<dyn std::error::Error>>;

fn play(said: &Said) -> Outcome<usize> {
    let began = if said.follow {
        loaded(said)?
    } else {
        Utc::now() - seconds(said.began_ago)
    };
    let mut dice = Dice::new(said.seed);
    let skew = seconds(SKEW * (2.0 * dice.even() - 1.0));
    let mut meat = Meat::new(&mut dice, said.setting);
    let slip = (!said.faultless && dice.even() < 0.3).then(|| 300.0 + 600.0 * dice.even());
    let (mut kept, mut silent_until, mut sent) = (Vec::new(), 0.0, 0);
    let mut elapsed = 0.0;
    while elapsed < said.minutes * 60.0 {
        elapsed += EVERY;
        meat.run(EVERY);
        let due = began + seconds(elapsed);
        wait(said, due);
        let slipped = slip.is_some_and(|at| (at..at + 120.0).contains(&elapsed));
        let core = if slipped { meat.air() } else { meat.tip() };
        for (channel, celsius, noise) in [(1, core, 0.3), (2, meat.air(), 2.0)] {
            let celsius = celsius + noise * dice.normal();
            let value = if said.fahrenheit {
                celsius * 1.8 + 32.0
            } else {
                celsius
            };
            kept.push(json!({
                "channel": channel, "at": due + skew, "value": (value * 10.0).round() / 10.0,
            }));
        }
        if !said.faultless && dice.even() < 0.01 {
            silent_until = elapsed + 30.0 + 90.0 * dice.even();
        }
        if elapsed < silent_until {
            continue;
        }
        sent += send(said, &kept, due.max(Utc::now()) + skew)?;
        kept.clear();
    }
    Ok(sent)
}

fn seconds(of: f64) -> TimeDelta {
    TimeDelta::milliseconds((of * 1000.0) as i64)
}

/// Until it is time: as fast as is asked for while it catches up, and no faster than time itself after that.
fn wait(said: &Said, due: DateTime<Utc>) {
    let behind = due <= Utc::now();
    let pause = if behind {
        EVERY / said.speed.max(1e-3)
    } else {
        0.0
    };
    sleep(Duration::from_secs_f64(pause.clamp(0.0, EVERY)));
    let early = (due - Utc::now()).to_std().unwrap_or_default();
    sleep(early);
}

/// Sends what has come together; what is not taken now is sent again.
fn send(said: &Said, readings: &[Value], sent_at: DateTime<Utc>) -> Outcome<usize> {
    let unit = if said.fahrenheit {
        "fahrenheit"
    } else {
        "celsius"
    };
    let body = json!({ "unit": unit, "sent_at": sent_at, "readings": readings });
    let address = format!("{}/api/thermometers/{}/readings", said.url, said.token);
    for _ in 0..TRIES {
        match ureq::post(&address).send_json(&body) {
            Ok(_) => return Ok(readings.len()),
            // An address that is none stays so.
            Err(ureq::Error::StatusCode(404)) => return Err("no such thermometer".into()),
            Err(_) => sleep(Duration::from_millis(500)),
        }
    }
    Err("the server does not answer".into())
}

const TRIES: u32 = 60;

/// When the cook was loaded that channel 1 is tied to.
fn loaded(said: &Said) -> Outcome<DateTime<Utc>> {
    let address = format!("{}/api/thermometers/{}/followed", said.url, said.token);
    loop {
        let followed: Value = ureq::get(&address).call()?.body_mut().read_json()?;
        if let Some(at) = followed.get("loaded_at").and_then(Value::as_str) {
            return Ok(at.parse()?);
        }
        sleep(LOOK);
    }
}
