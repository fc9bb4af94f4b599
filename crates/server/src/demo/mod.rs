//! Tern Cottage, a keeper's house on a small island: the demo kitchen. All of it is invented.
//!
//! Readings come from the model itself, computed for machines that are hidden to the kitchen - each a little off its
//! dial - with pieces thicker or thinner than they seem and a thermometer with noise from a fixed seed: the kitchen
//! has something to learn, and learns it.

mod cards;
mod photos;
mod supper;

use chrono::{DateTime, Duration, Utc};
use diesel::{Connection, PgConnection};
use ember_core::fryer::{Calibration, Dial, Floor, Machine, MachineKind, Spit, Support};
use ember_core::meat::{Browning, CutId};
use ember_core::plan::{
    KnownMachine, Plan, Request, SauceRule, StepKind, Synthetic, plan, synthetic,
};
use ember_core::units::{Length, Mass, Power, Temperature, TemperatureDifference};
use uuid::Uuid;

use crate::db::{self, models};
use crate::dto::cook::NewCookDto;
use crate::dto::event::{HappeningDto, OutcomeDto};
use crate::dto::machine::MachineDto;
use crate::dto::plan::PlanDto;
use crate::dto::request::RequestDto;
use crate::dto::words::ShadeDto;
use crate::error::ApiError;
use crate::{cooks, machines, storage};

pub use cards::{fennel_rub, night_before_the_ferry};
pub use photos::photograph;
pub use supper::ferry_crew;

/// Fills a kitchen.
///
/// # Errors
/// Whatever the database says.
pub fn fill(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let mut dice = Dice(SEED);
        for (n, machine) in (0..).zip([drum(), shelves()]) {
            let later = now + Duration::milliseconds(n);
            machines::add(connection, None, MachineDto::from(&machine), later)?;
        }
        for story in stories() {
            tell(connection, &mut dice, &story, now)?;
        }
        tonight(connection, now)?;
        cards::write(connection, now)?;
        supper::lay(connection, now)
    })
}

const SEED: u64 = 0x5EA_1163;

fn drum() -> Machine {
    let mm = Length::from_millimetres;
    Machine {
        name: "the drum".to_owned(),
        kind: MachineKind::Drawer,
        floor: Floor::Round {
            diameter: mm(250.0),
        },
        height: mm(110.0),
        element: mm(120.0),
        racks: Vec::new(),
        spit: None,
        tumbler: None,
        power: Power::from_watts(1500.0),
        lowest: Temperature::from_celsius(60.0),
        highest: Temperature::from_celsius(204.0),
        step: TemperatureDifference::from_kelvins(5.0),
        preheat: None,
        dial: Dial::default(),
        calibration: Calibration::default(),
    }
}

fn shelves() -> Machine {
    let mm = Length::from_millimetres;
    Machine {
        name: "the shelves".to_owned(),
        kind: MachineKind::OvenStyle,
        floor: Floor::rectangular(mm(300.0), mm(280.0)),
        height: mm(190.0),
        element: mm(205.0),
        racks: [20.0, 75.0, 130.0].map(mm).to_vec(),
        spit: Some(Spit {
            length: mm(230.0),
            diameter: mm(150.0),
            heaviest: Mass::from_grams(2000.0),
        }),
        tumbler: Some(3.5),
        power: Power::from_watts(1700.0),
        highest: Temperature::from_celsius(232.0),
        ..drum()
    }
}

/// One finished cook of the log.
struct Story {
    name: &'static str,
    request: Request,
    /// Days before now, and the time of day (UTC) it was started.
    days_ago: i64,
    started: [u32; 2],
    /// How many deviations thicker the pieces really were.
    thicker: f64,
    /// Minutes past the plan at which it came out.
    late_min: f64,
    outcome: OutcomeDto,
    /// Seeds of the pictures that were taken of it.
    photographs: &'static [u32],
}

fn grams(request: Request, grams: f64, measured_mm: Option<f64>) -> Request {
    Request {
        mass: Mass::from_grams(grams),
        thickness: measured_mm.map(Length::from_millimetres),
        ..request
    }
}

fn outcome(crispness: u8, doneness: u8, note: &str) -> OutcomeDto {
    OutcomeDto {
        core_c: None,
        crispness,
        doneness,
        colour: None,
        note: note.to_owned(),
        by: "the keeper".to_owned(),
    }
}

fn stories() -> Vec<Story> {
    let drumsticks = grams(Request::usual(CutId::Drumstick, drum()), 115.0, Some(45.0));
    let chops = grams(Request::usual(CutId::PorkChop, drum()), 230.0, None);
    let chops_measured = grams(chops.clone(), 230.0, Some(27.0));
    let belly = grams(
        Request::usual(CutId::PorkBellySlab, drum()),
        780.0,
        Some(38.0),
    );
    let mut thighs = grams(
        Request::usual(CutId::BoneInThigh, shelves()),
        165.0,
        Some(38.0),
    );
    thighs.pieces = 6;
    thighs.sauce = SauceRule::LastMinutes;
    let mut loin = grams(
        Request::usual(CutId::PorkLoinRoast, shelves()),
        950.0,
        Some(80.0),
    );
    loin.support = Support::Spit;
    let mut wings = Request::usual(CutId::PartyWing, shelves());
    wings.pieces = 16;
    let mut steak = grams(Request::usual(CutId::BeefSteak, drum()), 280.0, Some(26.0));
    steak.target = Temperature::from_celsius(57.0);
    steak.below_floor_acknowledged = true;
    vec![
        Story {
            name: "Lemon and fennel drumsticks for the ferry crew",
            request: drumsticks,
            days_ago: 13,
            started: [17, 25],
            thicker: -0.3,
            late_min: 0.5,
            outcome: outcome(4, 3, "Nothing left. Fennel seed crushed, not ground."),
            photographs: &[1, 2],
        },
        Story {
            name: "Cider chops",
            request: chops,
            days_ago: 11,
            started: [18, 10],
            thicker: -0.5,
            late_min: 4.0,
            outcome: outcome(
                3,
                5,
                "Dry. Thickness was a guess, the boat called in the middle and they stayed in \
                 four minutes too long. Measure next time.",
            ),
            photographs: &[3],
        },
        Story {
            name: "Caraway belly for Saturday",
            request: belly,
            days_ago: 9,
            started: [17, 5],
            thicker: 0.4,
            late_min: 1.0,
            outcome: outcome(5, 3, "Skin like glass after a night in the fridge."),
            photographs: &[4],
        },
        Story {
            name: "Marmalade thighs",
            request: thighs,
            days_ago: 7,
            started: [17, 40],
            thicker: 0.0,
            late_min: 0.5,
            outcome: outcome(4, 3, "Marmalade only for the end. One jar does six."),
            photographs: &[5],
        },
        Story {
            name: "Small pork loin on the spit",
            request: loin,
            days_ago: 5,
            started: [16, 50],
            thicker: 0.5,
            late_min: 1.5,
            outcome: outcome(3, 3, "Pink line in the middle, juicy. Needs the full rest."),
            photographs: &[],
        },
        Story {
            name: "Wings for the lifeboat practice",
            request: wings,
            days_ago: 3,
            started: [18, 5],
            thicker: -0.2,
            late_min: 0.0,
            outcome: outcome(4, 3, "Mustard on the side, not on top."),
            photographs: &[],
        },
        Story {
            name: "Cider chops again, measured",
            request: chops_measured,
            days_ago: 1,
            started: [18, 20],
            thicker: -0.2,
            late_min: 0.0,
            outcome: outcome(3, 3, "Five minutes' rest and they ran clear and juicy."),
            photographs: &[],
        },
        Story {
            name: "A steak for the keeper",
            request: steak,
            days_ago: 2,
            started: [18, 30],
            thicker: 0.0,
            late_min: 0.0,
            outcome: outcome(2, 3, "Pink as ordered; the crust stayed soft."),
            photographs: &[],
        },
    ]
}

/// Stores a finished cook with what happened in it.
fn tell(
    connection: &mut PgConnection,
    dice: &mut Dice,
    story: &Story,
    now: DateTime<Utc>,
) -> Result<(), ApiError> {
    let plan = plan(&story.request)?;
    let started = evening(now - Duration::days(story.days_ago), story.started);
    let created = started - Duration::minutes(40);
    let id = store(connection, story.name, &story.request, &plan, created, None)?;
    let truth = synthetic(&in_hidden(story), hidden(story))?;
    let promised = synthetic(&story.request, [0.0; 5])?;
    let happened = happenings(dice, story, &plan, [&truth, &promised]);
    let mut ended = started;
    for (minutes, happening) in happened {
        let at = started + Duration::milliseconds((minutes * 60_000.0) as i64);
        ended = ended.max(at);
        db::cooks::append(
            connection,
            &models::Event {
                id: Uuid::new_v4(),
                cook_id: id,
                at,
                happening: storage::pack(storage::event::Happening::from(happening))?,
            },
        )?;
    }
    let note = &story.outcome.note;
    db::cooks::settle(connection, id, Some(started), Some(ended), note)?;
    for seed in story.photographs {
        let picture = crate::photos::rewritten(&photograph(*seed))?;
        crate::photos::add(connection, Uuid::new_v4(), id, picture, ended)?;
    }
    Ok(())
}

/// What is hidden of a cook, in deviations to the slow side: its pieces, its start, and the heat, the dial and the
/// air of its machine. The drum runs hotter than its dial, the shelves a little cooler.
fn hidden(story: &Story) -> [f64; 5] {
    let [heat, dial] = if story.request.machine.racks.is_empty() {
        [-0.6, -1.0]
    } else {
        [0.3, 0.6]
    };
    [story.thicker, 0.0, heat, dial, 0.0]
}

/// The sentence in the machine as it is: faces brown faster in the drum than in its kind, and slower in the shelves.
fn in_hidden(story: &Story) -> Request {
    let browning = if story.request.machine.racks.is_empty() {
        1.5
    } else {
        0.75
    };
    let mut request = story.request.clone();
    request.known.machine = Some(KnownMachine {
        browning,
        ..KnownMachine::USUAL
    });
    request
}

/// The colour of the hidden cook against the promised one, at the last minute both were in.
fn shade([truth, promised]: [&Synthetic; 2]) -> ShadeDto {
    /// What is seen, as a logarithm: a third of a word.
    const SEEN: f64 = 0.4;
    let n = truth.browning.len().min(promised.browning.len());
    let last = |cook: &Synthetic| cook.browning.get(n.saturating_sub(1)).copied();
    let by = match (last(truth), last(promised)) {
        (Some(truth), Some(promised)) => (truth / promised.max(1e-6)).ln(),
        _ => 0.0,
    };
    if by > SEEN {
        ShadeDto::Darker
    } else if by < -SEEN {
        ShadeDto::Paler
    } else {
        ShadeDto::AsPlanned
    }
}

/// The coldest spot of the hidden cook, °C; past its end it goes on rising, ever slower: its water does not boil.
fn core_at(truth: &Synthetic, minute: f64) -> f64 {
    let after = truth.minutes.iter().position(|at| *at >= minute);
    let n = after
        .unwrap_or(truth.minutes.len().saturating_sub(1))
        .max(1);
    let at = |n: usize| Some((*truth.minutes.get(n)?, *truth.core.get(n)?));
    let (Some((t0, c0)), Some((t1, c1))) = (at(n - 1), at(n)) else {
        return truth.core.last().copied().unwrap_or_default();
    };
    let slope = (c1 - c0) / (t1 - t0).max(1e-9);
    if minute <= t1 {
        return c0 + slope * (minute - t0);
    }
    /// No core gets hotter, °C.
    const HOTTEST: f64 = 99.0;
    let left = (HOTTEST - c1).max(1e-3);
    HOTTEST - left * (-slope * (minute - t1) / left).exp()
}

/// A time of day on the day of `at`.
fn evening(at: DateTime<Utc>, [hour, minute]: [u32; 2]) -> DateTime<Utc> {
    at.date_naive()
        .and_hms_opt(hour, minute, 0)
        .map_or(at, |time| time.and_utc())
}

/// What happened, by minutes from the start.
fn happenings(
    dice: &mut Dice,
    story: &Story,
    plan: &Plan,
    cooks: [&Synthetic; 2],
) -> Vec<(f64, HappeningDto)> {
    let first = plan.steps.first().map_or(0.0, |step| step.at.minutes());
    let mut out = vec![(0.0, HappeningDto::Started {})];
    let [truth, _] = cooks;
    let core = |minute: f64| core_at(truth, minute);
    let mut last_core = 0.0;
    let mut shift = -first;
    for (index, step) in plan.steps.iter().enumerate() {
        let planned = step.at.minutes();
        if step.kind == StepKind::Pull {
            shift += story.late_min;
        }
        let lag = 0.15 + 0.35 * dice.share();
        let at = planned + shift + if index == 0 { 0.0 } else { lag };
        if matches!(step.kind, StepKind::Check | StepKind::Pull) && step.batch <= 1 {
            let minute = at + first;
            last_core = (core(minute) + dice.noise()).round();
            out.push((at - 0.05, reading(last_core)));
            if step.kind == StepKind::Pull {
                out.push((at - 0.03, looks(truth, minute)));
            }
        }
        if step.kind == StepKind::Serve && plan.rest_completed {
            // Looked at once more before carving.
            let carried = plan.peak_core - plan.pull_core;
            last_core = (last_core + carried.kelvins() + dice.noise() - 0.5).round();
            out.push((at - 0.05, reading(last_core)));
        }
        out.push((at, HappeningDto::StepDone { step: index }));
    }
    let end = out.last().map_or(0.0, |(at, _)| *at);
    let outcome = OutcomeDto {
        core_c: Some(last_core),
        colour: Some(shade(cooks)),
        ..story.outcome.clone()
    };
    out.push((end + 10.0, HappeningDto::Finished(outcome)));
    out
}

/// What the hidden cook looks like; past its end as at its end.
fn looks(truth: &Synthetic, minute: f64) -> HappeningDto {
    let after = truth.minutes.iter().position(|at| *at >= minute);
    let n = after.unwrap_or(truth.browning.len().saturating_sub(1));
    HappeningDto::Looks {
        colour: Browning::of(truth.browning.get(n).copied().unwrap_or_default()).into(),
        faces: None,
        batch: None,
    }
}

fn reading(core_c: f64) -> HappeningDto {
    HappeningDto::Reading {
        core_c,
        air_c: None,
        batch: None,
    }
}

/// The plan for tonight.
fn tonight(connection: &mut PgConnection, now: DateTime<Utc>) -> Result<(), ApiError> {
    let request = grams(Request::usual(CutId::Drumstick, drum()), 120.0, None);
    let plan = plan(&request)?;
    let supper = evening(now, [19, 0]);
    let soonest = now + Duration::hours(1);
    let eat = if supper > soonest {
        supper
    } else {
        now + Duration::hours(3)
    };
    store(
        connection,
        "Drumsticks for tonight",
        &request,
        &plan,
        now,
        Some(eat),
    )?;
    Ok(())
}

fn store(
    connection: &mut PgConnection,
    name: &str,
    request: &Request,
    plan: &Plan,
    created_at: DateTime<Utc>,
    eat_at: Option<DateTime<Utc>>,
) -> Result<Uuid, ApiError> {
    let new = NewCookDto {
        request: RequestDto::from(request),
        name: None,
        eat_at,
    };
    let (id, plan) = (Uuid::new_v4(), PlanDto::from(plan));
    let row = cooks::row(connection, id, name, &new, &plan, created_at)?;
    db::cooks::insert(connection, &row)?;
    Ok(id)
}

/// A small generator, so that every demo kitchen is the same (linear congruential, constants of
/// Knuth's MMIX).
struct Dice(u64);

impl Dice {
    fn next(&mut self) -> u64 {
        self.0 = self
            .0
            .wrapping_mul(6_364_136_223_846_793_005)
            .wrapping_add(1_442_695_040_888_963_407);
        self.0 >> 16
    }

    /// Even within 0..1.
    fn share(&mut self) -> f64 {
        (self.next() % 10_000) as f64 / 10_000.0
    }

    /// A thermometer's and a hand's error, K: about one kelvin.
    fn noise(&mut self) -> f64 {
        (self.share() + self.share() + self.share() - 1.5) * 2.0
    }
}
