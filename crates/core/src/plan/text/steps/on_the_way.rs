//! What is done between loading and the pull: one step for each opening.

use super::of::Of;
use super::{Anchor, Step, StepKind};
use crate::fryer::{Action, Baste, MachineKind, Which};
use crate::heat::Looking;
use crate::plan::Deed;
use crate::plan::request::{Origin, Programme, Request, SauceRule, TurnRule, When};
use crate::plan::text::cautions::{HOT_BASKET, RAW_BRUSH, SPRAYED};
use crate::units::{Message, Quantity};

/// A brush that touches meat before this share of the cook touches raw meat (common practice: the
/// outside is set in the first minutes, but the face that looked down until the turn is behind).
const RAW_UNTIL: f64 = 0.67;

/// One step for everything that is done in one opening.
pub fn on_the_way(of: &Of) -> Vec<Step> {
    let mut steps: Vec<Step> = Vec::new();
    let mut turned = false;
    for deeds in openings(&of.batch.deeds) {
        let Some(first) = deeds.first().filter(|deed| deed.at > 0.0) else {
            continue;
        };
        turned ^= deeds.iter().filter(|deed| deed.action.turns()).count() % 2 == 1;
        let titles: Vec<Message> = deeds.iter().map(|deed| title(of, deed)).collect();
        let reasons: Vec<Message> = deeds.iter().map(|deed| reason(of, deed, turned)).collect();
        let mut title = joined(titles, ", ");
        title.text = format!("{}{}", capital(&title.text), of.of_batch());
        let kind = kind_of(&deeds);
        let raw = first.at < RAW_UNTIL * of.batch.cook.seconds()
            || of.request.entry().animal.is_poultry() && !is_near_end(of, first);
        let brushed = deeds
            .iter()
            .any(|deed| matches!(deed.action, Action::Sauce(_) | Action::Baste(_)));
        let sprayed = deeds.iter().any(|deed| deed.action == Action::Spray);
        let opened = deeds.iter().any(|deed| deed.action.open().seconds() > 0.0);
        steps.push(Step {
            actions: deeds.iter().map(|deed| deed.action).collect(),
            anchor: anchor(of.request, first.origin),
            caution: match (brushed && raw, sprayed, opened) {
                (true, _, _) => Some(RAW_BRUSH),
                (false, true, _) => Some(SPRAYED),
                (false, false, true) => Some(HOT_BASKET),
                (false, false, false) => None,
            },
            ..of.step(kind, first.at, title, joined(reasons, "; "))
        });
    }
    steps
}

/// What the time of something follows, by where it comes from.
fn anchor(request: &Request, origin: Origin) -> Anchor {
    match origin {
        Origin::Turn | Origin::Swap => Anchor::Share,
        Origin::Sauce if request.sauce == SauceRule::LastMinutes => Anchor::End,
        Origin::Sauce => Anchor::Share,
        Origin::Programme if matches!(request.programme, Programme::HotFinish { .. }) => {
            Anchor::End
        }
        Origin::Programme => Anchor::Clock,
        Origin::Own(number) => match request.actions.get(number).map(|planned| planned.when) {
            Some(When::BeforeEnd(_)) => Anchor::End,
            Some(When::Share(_) | When::Golden) => Anchor::Share,
            Some(When::At(_) | When::Every(_)) | None => Anchor::Clock,
        },
    }
}

fn is_near_end(of: &Of, deed: &Deed) -> bool {
    deed.at >= of.batch.check_from.seconds()
}

/// Deeds of the same opening; the dial is set by itself.
fn openings(deeds: &[Deed]) -> Vec<Vec<Deed>> {
    let is_dial = |deed: &Deed| matches!(deed.action, Action::Set(_));
    let mut all: Vec<Vec<Deed>> = Vec::new();
    for deed in deeds {
        let same = |first: &Deed| first.at == deed.at && is_dial(first) == is_dial(deed);
        match all
            .iter_mut()
            .find(|opening| opening.first().is_some_and(same))
        {
            Some(opening) => opening.push(*deed),
            None => all.push(vec![*deed]),
        }
    }
    all
}

/// What a step is called by: a turn before all else.
fn kind_of(deeds: &[Deed]) -> StepKind {
    let has = |is: fn(&Action) -> bool| deeds.iter().any(|deed| is(&deed.action));
    if has(|action| matches!(action, Action::Turn(Which::All))) {
        StepKind::Turn
    } else if has(|action| matches!(action, Action::Sauce(_))) {
        StepKind::Sauce
    } else if deeds
        .iter()
        .all(|deed| matches!(deed.action, Action::Set(_)))
    {
        StepKind::Set
    } else {
        StepKind::Act
    }
}

fn title(of: &Of, deed: &Deed) -> Message {
    let words = match deed.action {
        Action::Set(setting) => {
            let machine = &of.request.machine.name;
            return Message::with(
                format!("set {machine} to {{}}"),
                [Quantity::Setting(setting)],
            );
        }
        Action::Turn(Which::All) => "turn every piece",
        Action::Turn(Which::One) => "turn the one that lags behind",
        Action::Move => "move the pieces to other places",
        Action::SwapRacks if of.request.machine.kind == MachineKind::TwinDrawers => {
            "swap the drawers"
        }
        Action::SwapRacks => "swap the racks",
        Action::Rotate => "turn the basket a quarter round",
        Action::Open(_) => "open the machine",
        Action::AddSide(_) => "add the side dish",
        Action::StirSide => "stir the side dish",
        Action::TakeSide => "take the side dish out",
        Action::Sauce(Looking::Up) => "brush the upper side with sauce",
        Action::Sauce(Looking::Down) => "brush the lower side with sauce",
        Action::Sauce(Looking::Both) => "brush with sauce",
        Action::Spray => "spray with oil",
        Action::Baste(Baste::Fat) => "baste with fat",
        Action::Baste(Baste::Water) => "baste with juice or stock",
        Action::TakeOut => "take everything out for a while",
        Action::PutBack => "put everything back",
        Action::SpitStops => "stop the spit",
        Action::SpitTurns => "let the spit turn again",
    };
    Message::plain(words)
}

fn reason(of: &Of, deed: &Deed, turned: bool) -> Message {
    match deed.action {
        Action::Set(_) => Message::plain(dial_reason(of, deed)),
        Action::Turn(Which::All) => turn_reason(of, deed, turned),
        Action::Turn(Which::One) => Message::plain("the plan follows the others"),
        Action::Move => Message::plain("the middle and the walls are not equally hot"),
        Action::SwapRacks => Message::plain("above it is hotter than below"),
        Action::Rotate => Message::plain("the back is often hotter than the front"),
        Action::Open(time) => Message::with(
            "for {}; the air must be heated again",
            [Quantity::Time(time)],
        ),
        Action::AddSide(mass) => Message::with(
            "{} beside the meat; it takes heat, the meat needs a little longer",
            [Quantity::Mass(mass)],
        ),
        Action::StirSide => Message::plain("so that it colours on every side"),
        Action::TakeSide => Message::plain("keep it covered"),
        Action::Sauce(_) if deed.origin == Origin::Sauce => {
            Message::plain("late enough that sugar does not burn")
        }
        Action::Sauce(_) => Message::plain("sugar burns soon, and a wet surface browns later"),
        Action::Spray => Message::plain("dry white spots brown where there is oil"),
        Action::Baste(Baste::Fat) => Message::plain("fat carries heat to the surface"),
        Action::Baste(Baste::Water) => Message::plain("a wet surface browns later"),
        Action::TakeOut => Message::plain("the machine goes on without it"),
        Action::PutBack => Message::plain("the machine is hot"),
        Action::SpitStops => Message::plain("one side faces the heat until it turns again"),
        Action::SpitTurns => Message::plain("every side meets the heat in turn"),
    }
}

fn dial_reason(of: &Of, deed: &Deed) -> &'static str {
    match (deed.origin, of.request.programme) {
        (Origin::Programme, Programme::HotStart { .. }) => {
            "the outside is set, now the inside follows gently"
        }
        (Origin::Programme, _) => "the inside is nearly there, now the outside crisps",
        _ => "as you planned",
    }
}

/// Which face looks up now, and what the turn does to the colours, as computed.
fn turn_reason(of: &Of, deed: &Deed, turned: bool) -> Message {
    let named = of.request.faces();
    let [first, other] = named.unwrap_or(["the side that was up", "the other"]);
    let up = match named {
        Some(_) => format!("{} up now; ", if turned { other } else { first }),
        None => String::new(),
    };
    let [a, b] = of.plan.outcomes.faces.map(|face| face.browning);
    let words = if deed.origin == Origin::Turn && of.request.turns() == TurnRule::EqualBrowning {
        if a == b {
            format!(
                "the upper side gets more heat; turned now, both end {}",
                a.word()
            )
        } else {
            "as even as it gets".to_owned()
        }
    } else {
        String::from("the upper side gets more heat")
    };
    let ends = if a == b {
        String::new()
    } else {
        format!("; at the end {first} {}, {other} {}", a.word(), b.word())
    };
    Message::plain(format!("{up}{words}{ends}"))
}

fn joined(reasons: Vec<Message>, between: &str) -> Message {
    let texts: Vec<&str> = reasons.iter().map(|reason| reason.text.as_str()).collect();
    let text = texts.join(between);
    let values: Vec<Quantity> = reasons
        .iter()
        .flat_map(|reason| reason.values.iter().copied())
        .collect();
    Message::with(text, values)
}

fn capital(words: &str) -> String {
    let mut letters = words.chars();
    letters.next().map_or_else(String::new, |first| {
        first.to_uppercase().chain(letters).collect()
    })
}
