//! After the last pull: keep, rest, measure again, serve.

use super::{Anchor, Step, StepKind};
use crate::doneness::Handling;
use crate::fryer::WARMING_OVEN;
use crate::meat::CutId;
use crate::plan::request::{Finish, HotHolding, Request, SauceRule};
use crate::plan::text::cautions;
use crate::plan::{Kept, MeasureAgain, Plan};
use crate::units::{Interval, Temperature};
use crate::units::{Message, Quantity};

/// The steps after the last batch is out, `pulled` seconds after the first loading.
pub fn steps(request: &Request, plan: &Plan, pulled: f64) -> Vec<Step> {
    let mut steps = Vec::new();
    steps.extend(plan.kept.map(|kept| keep(request, plan, kept, pulled)));
    let straight = tossed_straight(request, plan);
    steps.extend(straight.then(|| toss(pulled)));
    if plan.rest.minutes() >= 1.0 {
        steps.push(rest(request, plan, pulled));
    }
    steps.extend(
        plan.measure_again
            .map(|again| measure(request, plan, again, pulled)),
    );
    steps.extend(finish(request, plan));
    steps.push(serve(request, plan, !straight));
    steps
}

/// Whether it is tossed in its sauce straight from the heat: where no part of the safe minimum is left to the
/// rest.
fn tossed_straight(request: &Request, plan: &Plan) -> bool {
    let rests = request
        .floor_kept()
        .is_some_and(|floor| floor.rest.seconds() > 0.0);
    request.sauce == SauceRule::Tossed && !rests && plan.measure_again.is_none()
}

fn toss(pulled: f64) -> Step {
    Step {
        kind: StepKind::Finish,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 0,
        at: Interval::from_seconds(pulled),
        title: Message::plain("Toss in the sauce at once"),
        reason: Message::plain(
            "hot skin takes the sauce up; the longer it waits, the softer it gets",
        ),
        core: None,
        caution: Some(cautions::CLEAN_BOWL),
    }
}

/// What is done after the rest.
fn finish(request: &Request, plan: &Plan) -> Option<Step> {
    let finished = plan.finished?;
    let [upper, lower] = finished.faces;
    let colour = format!(
        "then {} above and {} below",
        upper.browning.word(),
        lower.browning.word()
    );
    let (title, reason, caution) = match request.finish {
        Finish::None => return None,
        Finish::Pan(face) => (
            Message::with("Sear in a hot pan, {} a side", [Quantity::Time(face)]),
            Message::plain(format!(
                "patted dry, with a little oil when it shimmers; {colour}"
            )),
            cautions::HOT_PAN,
        ),
        Finish::Crisp { setting, time } => (
            Message::with(
                "Crisp again at {} for {}",
                [Quantity::Setting(setting), Quantity::Time(time)],
            ),
            Message::plain(format!(
                "steam from inside softened the outside; {colour}, {}",
                upper.crispness.word()
            )),
            cautions::HOT_BASKET,
        ),
        Finish::Shred(time) => (
            Message::with("Shred it, about {}", [Quantity::Time(time)]),
            shred_reason(plan),
            cautions::HOT_INSIDE,
        ),
    };
    Some(Step {
        kind: StepKind::Finish,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 0,
        at: Interval::from_seconds(plan.eat_at.seconds() - finished.lasts.seconds()),
        title,
        reason,
        core: Some(finished.reading),
        caution: Some(caution),
    })
}

/// Meat comes apart when its collagen has melted, which takes more than being done.
fn shred_reason(plan: &Plan) -> Message {
    /// From here on it pulls apart with forks (common practice: 93 to 96 °C; chicken from 80 °C on).
    const PULLS: Temperature = Temperature::from_celsius(88.0);
    let [from, to] =
        [93.0, 96.0].map(|celsius| Quantity::Temperature(Temperature::from_celsius(celsius)));
    if plan.peak_core < PULLS {
        Message::with(
            "along its fibres with two forks, its juice stirred back in; at {} to {} it would come apart by itself",
            [from, to],
        )
    } else {
        Message::plain("along its fibres with two forks, its juice stirred back in")
    }
}

/// What becomes of the first batch.
fn keep(request: &Request, plan: &Plan, kept: Kept, last: f64) -> Step {
    let place = &request.machine.name;
    let (at, title, reason, core) = match (kept.reheating, kept.how) {
        (Some(back), _) => {
            let (words, values) = match back.least {
                None => (
                    format!(
                        "for {{}}, all together; it stood open on a rack and is crisp again, {place} is hot"
                    ),
                    vec![Quantity::Time(back.time)],
                ),
                Some(least) => (
                    format!(
                        "it fell to {{}}: until it shows {{}} again, about {{}}; {place} is hot"
                    ),
                    vec![
                        Quantity::Temperature(kept.core),
                        Quantity::Temperature(request.shown(least)),
                        Quantity::Time(back.time),
                    ],
                ),
            };
            let title = "Put batch 1 back".to_owned();
            (last, title, Message::with(words, values), back.core)
        }
        (None, HotHolding::Oven) => (
            plan.pull_at.seconds() + 1.0,
            "Keep batch 1 in the oven, loosely covered".to_owned(),
            Message::with(
                "at {}; it is at {} when the last is out, {} later",
                [
                    Quantity::Setting(WARMING_OVEN),
                    Quantity::Temperature(kept.core),
                    Quantity::Time(kept.wait),
                ],
            ),
            kept.core,
        ),
        (None, _) => (
            // A moment after the pull, so that it stands behind it.
            plan.pull_at.seconds() + 1.0,
            "Keep batch 1 warm, loosely covered".to_owned(),
            if kept.stays_hot < kept.wait {
                Message::with(
                    "it stays above {} for {}; from then on in an oven at {}",
                    [
                        Quantity::Temperature(kept.hot),
                        Quantity::Time(kept.stays_hot),
                        Quantity::Setting(WARMING_OVEN),
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
    };
    Step {
        kind: StepKind::Act,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 1,
        at: Interval::from_seconds(at),
        title: title.into(),
        reason: held_hot(reason, request),
        core: Some(core),
        caution: Some("What is below that for 2 hours is chilled or thrown away."),
    }
}

/// What is added to a reason where hot food waits: how hot it must stay.
fn held_hot(mut reason: Message, request: &Request) -> Message {
    reason.text.push_str("; keep it at {} or more");
    reason
        .values
        .push(Quantity::Temperature(request.region.keep_hot()));
    reason
}

fn rest(request: &Request, plan: &Plan, pulled: f64) -> Step {
    let tented = request.is_tented();
    let peak = Quantity::Temperature(request.shown(plan.readings.peak));
    let rises = (plan.peak_core - plan.pull_core).kelvins() > 1.0;
    Step {
        kind: StepKind::Rest,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 0,
        at: Interval::from_seconds(pulled),
        title: format!(
            "Rest {}, {}",
            plan.rest.display(),
            if tented { "under loose foil" } else { "open" }
        )
        .into(),
        reason: if rises && request.cut == CutId::PorkBellySlab {
            Message::with(
                "so that the crackling stays; it still rises inside, to about {}",
                [peak],
            )
        } else if rises {
            Message::with("it still rises inside, to about {}", [peak])
        } else {
            Message::plain("juices settle; the skin stays crisp in the open")
        },
        core: None,
        caution: None,
    }
}

/// The floor is reached only in the rest: it is measured there.
fn measure(request: &Request, plan: &Plan, again: MeasureAgain, pulled: f64) -> Step {
    let least = Quantity::Temperature(request.shown(again.least));
    let back = Quantity::Time(again.back_in);
    let reason = if again.hold.seconds() > 0.0 {
        Message::with(
            "{} or more, and it stays there for {}; else back in for about {}, and measure again",
            [least, Quantity::Time(again.hold), back],
        )
    } else {
        Message::with(
            "{} or more; else back in for about {}, and measure again",
            [least, back],
        )
    };
    Step {
        kind: StepKind::Measure,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 0,
        at: Interval::from_seconds(pulled + again.after_pull.seconds()),
        title: Message::plain("Measure again"),
        reason,
        core: Some(Temperature::from_celsius(
            plan.picture
                .reading_at(plan.pull_at.minutes() + again.after_pull.minutes()),
        )),
        caution: Some(cautions::SHARP_POINT),
    }
}

/// How long it stays hot on the table, as computed.
fn hot_for(request: &Request, plan: &Plan) -> Message {
    /// Followed no further than that, min.
    const FOLLOWED: f64 = 89.0;
    let gone = plan.rest.minutes() + request.finish.lasts().minutes();
    if request.finish.colours() {
        return Message::plain("hot from what was done to it last");
    }
    match plan.stays_hot {
        Some(hot) if hot.minutes() >= FOLLOWED => Message::plain("it stays hot for long"),
        Some(hot) if hot.minutes() > gone => Message::with(
            "it stays hot for about {} more",
            [Quantity::Time(Interval::from_minutes(
                (hot.minutes() - gone).floor().max(1.0),
            ))],
        ),
        _ => Message::plain("by now it is cooler than hot holding allows: eat at once"),
    }
}

fn serve(request: &Request, plan: &Plan, toss: bool) -> Step {
    let title = if toss && request.sauce == SauceRule::Tossed {
        "Toss in the sauce and serve"
    } else {
        "Serve"
    };
    let core = plan
        .picture
        .reading_at(plan.pull_at.minutes() + plan.rest.minutes());
    let core = plan.finished.map_or(core, |one| one.reading.celsius());
    Step {
        kind: StepKind::Serve,
        actions: Vec::new(),
        anchor: Anchor::Clock,
        batch: 0,
        at: plan.eat_at,
        title: title.into(),
        reason: held_hot(hot_for(request, plan), request),
        core: Some(Temperature::from_celsius(core)),
        caution: Some(if request.handling == Handling::LeftOver {
            cautions::ONCE
        } else {
            request.region.left_over()
        }),
    }
}
