//! What to do, in order, with the reason and the numbers.

use crate::basket::Airiness;
use crate::fryer::{Action, Support};
use crate::plan::message::{Message, Quantity};
use crate::plan::request::{Programme, Request, SAUCE_BEFORE, SauceRule};
use crate::plan::{Batch, HOT, Kept, Plan, REHEAT, SWAP, SecondDrawer};
use crate::units::{Interval, Temperature};

/// What a step asks for.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum StepKind {
    /// Switch the machine on.
    Preheat,
    /// Put the pieces in.
    Load,
    /// Turn every piece.
    Turn,
    /// Brush with sauce.
    Sauce,
    /// Turn the dial.
    Set,
    /// Brush, add or move something.
    Act,
    /// Check with the thermometer.
    Check,
    /// Take the pieces out.
    Pull,
    /// Let them rest.
    Rest,
    /// On the table.
    Serve,
}

/// One step.
#[derive(Debug, Clone, PartialEq)]
pub struct Step {
    /// What it asks for.
    pub kind: StepKind,
    /// Which batch it belongs to, from 1.
    pub batch: u32,
    /// When, from loading the first batch; negative before.
    pub at: Interval,
    /// The order, short.
    pub title: String,
    /// Why, with numbers.
    pub reason: Message,
    /// Core expected then.
    pub core: Option<Temperature>,
    /// The caution that belongs here.
    pub caution: Option<&'static str>,
}

const HOT_BASKET: &str = "Hot fat and steam when it opens; put the basket on something heat-proof.";
const RAW_POULTRY: &str =
    "Do not wash raw poultry, it spreads bacteria. Wash your hands after touching it.";
const RAW_MEAT: &str = "Wash your hands after touching raw meat.";

pub fn list(request: &Request, plan: &Plan) -> Vec<Step> {
    let mut steps = Vec::new();
    let machine = &request.machine.name;
    if let Some(preheat) = plan.preheat {
        steps.push(Step {
            kind: StepKind::Preheat,
            batch: 1,
            at: Interval::from_seconds(-preheat.seconds()),
            title: format!("Switch {machine} on, empty"),
            reason: Message::with(
                "at {}; it needs {} to get there",
                [
                    Quantity::Setting(request.first_setting()),
                    Quantity::Time(preheat),
                ],
            ),
            core: None,
            caution: Some("No loose parchment or foil in an empty machine."),
        });
    }
    let mut loaded = 0.0;
    let several = plan.batches.len() > 1;
    for (n, batch) in plan.batches.iter().enumerate() {
        let number = u32::try_from(n + 1).unwrap_or(u32::MAX);
        one_batch(&mut steps, request, plan, *batch, number, loaded, several);
        loaded += batch.cook.seconds() + SWAP.seconds();
    }
    let pulled = loaded - SWAP.seconds();
    if let Some(kept) = plan.kept {
        steps.push(keep(request, kept, plan.pull_at, pulled));
    }
    steps.sort_by(|a, b| a.at.seconds().total_cmp(&b.at.seconds()));
    let at = Interval::from_seconds;
    if plan.rest.minutes() >= 1.0 {
        let tented = request.mass.grams() >= crate::plan::cook::TENTED_FROM;
        steps.push(Step {
            kind: StepKind::Rest,
            batch: 0,
            at: at(pulled),
            title: format!(
                "Rest {}, {}",
                plan.rest.display(),
                if tented { "under loose foil" } else { "open" }
            ),
            reason: if plan.rest_completed {
                rise("the core still rises to", plan)
            } else {
                Message::plain("juices settle; the skin stays crisp in the open")
            },
            core: None,
            caution: None,
        });
    }
    let serve = plan.eat_at;
    let tossed = request.sauce == SauceRule::Tossed;
    steps.push(Step {
        kind: StepKind::Serve,
        batch: 0,
        at: serve,
        title: if tossed {
            "Toss in the sauce, then to the table".to_owned()
        } else {
            "To the table".to_owned()
        },
        reason: Message::plain("note how it came out"),
        core: Some(Temperature::from_celsius(
            plan.picture
                .core_at(plan.pull_at.minutes() + plan.rest.minutes()),
        )),
        caution: Some("Keep hot at 60 °C (140 °F) or more; chill leftovers within 2 hours."),
    });
    steps.sort_by(|a, b| a.at.seconds().total_cmp(&b.at.seconds()));
    steps
}

/// What becomes of the first batch.
fn keep(request: &Request, kept: Kept, pulled: Interval, last: f64) -> Step {
    let step = |kind, at, title: String, reason, core| Step {
        kind,
        batch: 1,
        at,
        title,
        reason,
        core: Some(core),
        caution: Some("Keep hot food at 60 °C (140 °F) or more."),
    };
    match kept.reheated {
        Some(core) => step(
            StepKind::Act,
            Interval::from_seconds(last),
            "Put batch 1 back".to_owned(),
            Message::with(
                format!(
                    "for {{}}, all together; it stood open on a rack and is crisp again, {}",
                    request.machine.name
                ) + " is hot",
                [Quantity::Time(REHEAT)],
            ),
            core,
        ),
        None => step(
            StepKind::Act,
            // A moment after the pull, so that it stands behind it.
            Interval::from_seconds(pulled.seconds() + 1.0),
            "Keep batch 1 warm, loosely covered".to_owned(),
            if kept.stays_hot < kept.wait {
                Message::with(
                    "it stays above {} for {}; then in an oven at {}",
                    [
                        Quantity::Temperature(HOT),
                        Quantity::Time(kept.stays_hot),
                        Quantity::Setting(Temperature::from_celsius(80.0)),
                    ],
                )
            } else {
                Message::with(
                    "it is still at {} when the last is out, {} later",
                    [Quantity::Temperature(kept.core), Quantity::Time(kept.wait)],
                )
            },
            kept.core,
        ),
    }
}

fn one_batch(
    steps: &mut Vec<Step>,
    request: &Request,
    plan: &Plan,
    batch: Batch,
    number: u32,
    loaded: f64,
    several: bool,
) {
    let entry = request.entry();
    let at = |after: f64| Interval::from_seconds(loaded + after);
    // Batches differ by little; the picture is of the first.
    let scale = plan.pull_at.seconds() / batch.cook.seconds();
    let core = |after: f64| {
        Some(Temperature::from_celsius(
            plan.picture.core_at(after * scale / 60.0),
        ))
    };
    let of_batch = if several {
        format!(" of batch {number}")
    } else {
        String::new()
    };
    let mut add = |kind, after: f64, title: String, reason, caution| {
        steps.push(Step {
            kind,
            batch: number,
            at: at(after),
            title,
            reason,
            core: core(after),
            caution,
        });
    };
    let sauced_before = if request.sauce == SauceRule::BeforeAndAtTurn {
        ", upper side sauced"
    } else {
        ""
    };
    add(
        StepKind::Load,
        0.0,
        format!(
            "Load {} {}{}{sauced_before}",
            batch.pieces,
            entry.noun(batch.pieces),
            spread(request, batch)
        ),
        load_reason(request, plan, number, batch),
        Some(if entry.animal.is_poultry() {
            RAW_POULTRY
        } else {
            RAW_MEAT
        }),
    );
    let swap = if batch.swap_at.is_some() {
        " and swap the racks"
    } else {
        ""
    };
    if let (Some(swap), None) = (batch.swap_at, batch.turn_at) {
        add(
            StepKind::Act,
            swap.seconds(),
            format!("Swap the racks{of_batch}"),
            Message::plain("the upper one is the hotter"),
            Some(HOT_BASKET),
        );
    }
    if let Some(turn) = batch.turn_at {
        let also = if request.sauce == SauceRule::BeforeAndAtTurn {
            ", sauce the other side"
        } else {
            ""
        };
        add(
            StepKind::Turn,
            turn.seconds(),
            format!("Turn every piece{of_batch}{swap}{also}"),
            Message::plain("the upper side gets more heat; turned now, both end equally brown"),
            Some(HOT_BASKET),
        );
    }
    for (at, kind, title, reason) in on_the_way(request, batch) {
        let caution = (kind != StepKind::Set).then_some(HOT_BASKET);
        add(kind, at, format!("{title}{of_batch}"), reason, caution);
    }
    let sauce = batch.cook.seconds() - SAUCE_BEFORE.seconds();
    if request.sauce == SauceRule::LastMinutes && sauce > 0.0 {
        add(
            StepKind::Sauce,
            sauce,
            "Brush with sauce".to_owned(),
            Message::with(
                "for the last {}, so that sugar does not burn",
                [Quantity::Time(SAUCE_BEFORE)],
            ),
            Some("Boil a used marinade before it becomes a sauce."),
        );
    }
    add(
        StepKind::Check,
        plan.check_from.seconds() / scale,
        if several {
            format!("Check batch {number} with the thermometer")
        } else {
            "Check with the thermometer".to_owned()
        },
        Message::with(
            format!("in {}; {{}} means out", entry.probe),
            [Quantity::Temperature(plan.pull_core_shown())],
        ),
        Some("Colour and juices are no test; the thermometer is."),
    );
    if let Some(SecondDrawer { pieces, cook, .. }) =
        batch.second.filter(|second| second.cook < batch.cook)
    {
        add(
            StepKind::Pull,
            cook.seconds(),
            format!("Take the right drawer out{of_batch}"),
            Message::plain(format!(
                "its {pieces} are ready first; check them all the same"
            )),
            Some(HOT_BASKET),
        );
    }
    add(
        StepKind::Pull,
        batch.cook.seconds(),
        if several {
            format!("Take batch {number} out")
        } else {
            "Take everything out".to_owned()
        },
        pull_reason(plan),
        Some(HOT_BASKET),
    );
}

/// What the programme and the cook's own actions ask for between loading and the pull.
fn on_the_way(request: &Request, batch: Batch) -> Vec<(f64, StepKind, String, Message)> {
    let mut out = Vec::new();
    let machine = &request.machine.name;
    let dial = |at: f64, setting: Temperature, why: &str| {
        (
            at,
            StepKind::Set,
            format!("Turn {machine} to another setting"),
            Message::with(format!("to {{}}; {why}"), [Quantity::Setting(setting)]),
        )
    };
    match request.programme {
        Programme::Steady => {}
        Programme::HotStart { time, .. } => out.push(dial(
            time.seconds(),
            request.setting_used(),
            "the outside is set, now the inside follows gently",
        )),
        Programme::HotFinish { setting, time } => out.push(dial(
            (batch.cook.seconds() - time.seconds()).max(0.0),
            setting,
            "the inside is nearly there, now the outside crisps",
        )),
    }
    for timed in &request.actions {
        let at = timed.at.seconds();
        let (kind, title, reason) = match timed.action {
            Action::Set(setting) => {
                out.push(dial(at, setting, "as you asked"));
                continue;
            }
            Action::Turn => (
                StepKind::Turn,
                "Turn every piece".to_owned(),
                Message::plain("as you asked"),
            ),
            Action::Baste => (
                StepKind::Act,
                "Brush every piece".to_owned(),
                Message::plain("a wet surface browns later"),
            ),
            Action::AddSide(mass) => (
                StepKind::Act,
                "Add the side dish".to_owned(),
                Message::with(
                    "{} beside the meat; it takes heat, the meat needs a little longer",
                    [Quantity::Mass(mass)],
                ),
            ),
            Action::SwapRacks => (
                StepKind::Act,
                "Swap the racks or drawers".to_owned(),
                Message::plain("above it is hotter than below"),
            ),
            Action::Open(time) => (
                StepKind::Act,
                "Open the machine".to_owned(),
                Message::with(
                    "for {}; the air must be heated again",
                    [Quantity::Time(time)],
                ),
            ),
        };
        out.push((at, kind, title, reason));
    }
    out
}

/// Over how many levels a load goes.
fn spread(request: &Request, batch: Batch) -> String {
    match (batch.levels, batch.second) {
        (_, Some(second)) => {
            let lighter = second.cook < batch.cook && !request.weights.is_empty();
            format!(
                ", {} left and {} right",
                batch.pieces - second.pieces,
                if lighter {
                    format!("the {} lighter ones", second.pieces)
                } else {
                    second.pieces.to_string()
                }
            )
        }
        (2.., None) => format!(" on {} racks", batch.levels),
        _ => String::new(),
    }
}

fn load_reason(request: &Request, plan: &Plan, number: u32, batch: Batch) -> Message {
    let place = &request.machine.name;
    let layer = plan.loading.airiness().word();
    if number > 1 {
        let lighter = request.mass_of(0) > batch.heaviest || plan.loading.apart.is_some();
        return if lighter && !request.weights.is_empty() {
            Message::with(
                format!("the lighter ones, up to {{}}; {place} is hot"),
                [Quantity::Mass(batch.heaviest)],
            )
        } else {
            Message::plain(format!("{place} is hot: this batch is quicker"))
        };
    }
    let face = if request.entry().one_face_up {
        ", skin up"
    } else {
        ""
    };
    let held = if request.support == Support::Basket {
        String::from(match plan.loading.airiness() {
            Airiness::Stacked => ", on top of one another,",
            _ if batch.second.is_some() => ", one layer each,",
            _ => ", one layer,",
        })
    } else {
        format!(", {},", request.support.words())
    };
    Message::with(
        format!("in {place}{held} at {{}}, {layer}{face}"),
        [Quantity::Setting(request.first_setting())],
    )
}

fn pull_reason(plan: &Plan) -> Message {
    let shown = Quantity::Temperature(plan.pull_core_shown());
    if plan.rest_completed && plan.peak_core > plan.pull_core {
        let Message { text, mut values } = rise("the rest takes it to", plan);
        values.insert(0, shown);
        Message::with(format!("at {{}}; {text}"), values)
    } else {
        Message::with("at {} or more in every piece", [shown])
    }
}

/// Where the rest takes the core: from what is counted on to what the model says, if that is more.
fn rise(words: &str, plan: &Plan) -> Message {
    /// A difference that a thermometer would show, K.
    const APART: f64 = 1.5;
    let peak = plan.peak_core;
    if (peak - plan.target.core).kelvins() < APART {
        return Message::with(format!("{words} {{}}"), [Quantity::Temperature(peak)]);
    }
    Message::with(
        format!("{words} {{}} at least, {{}} at most"),
        [
            Quantity::Temperature(plan.target.core),
            Quantity::Temperature(peak),
        ],
    )
}

impl Plan {
    /// The reading at which to pull: for a target that rest completes what the model shows at the
    /// pull, else the target itself.
    #[must_use]
    pub fn pull_core_shown(&self) -> Temperature {
        if self.rest_completed {
            self.pull_core
        } else {
            self.target.core
        }
    }
}
