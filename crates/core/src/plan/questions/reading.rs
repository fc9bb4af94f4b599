//! A recipe as it is printed or told, read for a kitchen's own machine: what it does where it was written for, what
//! it does here, what was not said and what that is worth.

use crate::curve;
use crate::fryer::{MachineKind, PRESETS, Preset};
use crate::meat::{CutId, Layer, Surface};
use crate::plan::answer::Plan;
use crate::plan::cook::LONGEST;
use crate::plan::error::PlanError;
use crate::plan::make::plan;
use crate::plan::questions::convert::{Converted, Outcome, convert};
use crate::plan::request::{PreheatRule, Programme, Request, SauceRule, Start, TurnRule};
use crate::plan::uncertainty::assumptions::Assumption;
use crate::recipe::{Cooking, Sauced};
use crate::units::{Interval, Mass, Message, Quantity, Temperature, bounds};

/// A recipe that was read.
#[derive(Debug, Clone, PartialEq)]
pub struct Reading {
    /// What it asks for, in the machine it was written for.
    pub written: Request,
    /// How long it is in.
    pub time: Interval,
    /// What was not said, and what was taken for it.
    pub assumed: Vec<Message>,
    /// What it leads to there.
    pub there: Outcome,
    /// The safe minimum, where it does not reach it there.
    pub below: Option<Temperature>,
    /// When the inside is safe there, if it is at all.
    pub safe_at: Option<Interval>,
    /// The same recipe written for other kinds of machine, where it does not say for which: the dial's minutes here.
    pub otherwise: Vec<(MachineKind, Interval)>,
    /// What is not known, the dearest first, with what it is worth.
    pub worths: Vec<Assumption>,
    /// For the kitchen's own machine, or why it does not go there.
    pub own: Result<Own, PlanError>,
}

/// The same in the kitchen's own machine.
#[derive(Debug, Clone, PartialEq)]
pub struct Own {
    /// Dial and minutes.
    pub converted: Converted,
    /// The sentence of it.
    pub request: Request,
}

/// No piece is lighter than this share of the lightest that shops sell.
const LIGHTEST: f64 = 0.8;
/// Unknowns that are told.
const TOLD: usize = 3;

/// Reads a recipe for the machine of a sentence, which says whose guidance counts, how high the kitchen is, and what
/// is meant where the recipe says nothing.
///
/// ```
/// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, reading}, recipe::read_cooking};
/// let own = Request::usual(CutId::Drumstick, PRESETS[1].machine());
/// let told = read_cooking("400 °F 25 min, turn half-way, in an oven-style machine, for 2 lb drumsticks");
/// let read = reading(&told, &own).unwrap();
/// assert_eq!(read.written.pieces, 8);
/// assert!(read.own.unwrap().converted.time.minutes() > 10.0);
/// // Everything was said but the thickness.
/// assert!(read.assumed.is_empty(), "{:?}", read.assumed);
/// // Partial input works, and says what was taken for it.
/// let half = reading(&read_cooking("drumsticks 25 min"), &own).unwrap();
/// assert_eq!(half.assumed.len(), 4);
/// ```
///
/// # Errors
/// Those of a plan: what was read is checked as if it had been said.
pub fn reading(told: &Cooking, own: &Request) -> Result<Reading, PlanError> {
    let mut assumed = Vec::new();
    let written = written(told, own, &mut assumed);
    written.check()?;
    let all = Mass::from_grams(written.mass.grams() * f64::from(written.pieces));
    let there = plan(&written);
    let time = match told.lasts(all) {
        Some(time) => time,
        None => {
            let until = there.as_ref().map_err(Clone::clone)?.pull_at;
            assumed.push(Message::with(
                "No time: {}, until it is done there",
                [Quantity::Time(until)],
            ));
            until
        }
    };
    bounds::RECIPE.check(time.seconds())?;
    let converted = convert(&written, time, &own.machine);
    let (outcome, below) = match &converted {
        Ok(converted) => (converted.there, converted.below),
        // What does not go here goes there all the same.
        Err(_) => {
            let itself = convert(&written, time, &written.machine)?;
            (itself.there, itself.below)
        }
    };
    let otherwise = if told.machine.is_some() || converted.is_err() {
        Vec::new()
    } else {
        others(&written, time, own)
    };
    let there = there.ok();
    let own = converted.map(|converted| Own {
        request: Request {
            machine: own.machine.clone(),
            setting: Some(converted.setting),
            programme: converted.programme,
            support: Request::usual(written.cut, own.machine.clone()).support,
            known: own.known,
            ..written.clone()
        },
        converted,
    });
    Ok(Reading {
        safe_at: there.as_ref().and_then(|plan| safe(&written, plan)),
        worths: there.map_or_else(Vec::new, |plan| {
            plan.assumptions.into_iter().take(TOLD).collect()
        }),
        written,
        time,
        assumed,
        there: outcome,
        below,
        otherwise,
        own,
    })
}

/// What it asks for, with what is usual for what it does not say.
fn written(told: &Cooking, own: &Request, assumed: &mut Vec<Message>) -> Request {
    let mut assume = |words: Message| assumed.push(words);
    let cut = told.cut.unwrap_or_else(|| {
        // Something is named that is not planned: it says so, and takes what is nearest.
        let nearest = told
            .not_planned
            .and_then(|one| one.nearest)
            .unwrap_or(own.cut);
        let plural = crate::meat::cut(nearest).plural;
        let words = match told.not_planned {
            Some(one) => format!("{} Taken as {plural}", one.reason),
            None => format!("No cut: taken as {plural}"),
        };
        assume(words.into());
        nearest
    });
    let machine = written_for(told, cut, &mut assume).machine();
    let mut usual = Request::usual(cut, machine);
    if let Some(piece) = told.not_planned.and_then(|one| one.piece) {
        usual.mass = piece;
    }
    if told.in_foil {
        assume("In foil it browns less and takes longer: counted as bare".into());
    }
    let (said, all) = amounts(told, cut, &mut assume);
    let (pieces, mass) = match (said, all) {
        _ if told.each.is_some() => {
            let each = told.each.unwrap_or(usual.mass);
            let by_mass = all.map(|all| (all.grams() / each.grams()).round().max(1.0) as u32);
            let pieces = said.or(by_mass).unwrap_or_else(|| {
                assume(format!("Not said how many: {}", usual.pieces).into());
                usual.pieces
            });
            (pieces, each)
        }
        (Some(pieces), Some(all)) => {
            let each = Mass::from_grams(all.grams() / f64::from(pieces.max(1)));
            let [light, ..] = usual.entry().usual_mass;
            let light = light.grams().min(usual.mass.grams());
            // "8 oz chicken breasts (2)".
            if pieces > 1 && each.grams() < LIGHTEST * light {
                assume(Message::with(
                    "{} is taken as the weight of one",
                    [Quantity::Mass(all)],
                ));
                (pieces, all)
            } else {
                (pieces, each)
            }
        }
        (Some(pieces), None) => {
            assume(Message::with(
                "No weight: {} each",
                [Quantity::Mass(usual.mass)],
            ));
            (pieces, usual.mass)
        }
        // "A pork tenderloin, 600 g", where that is one of its kind.
        (None, Some(all)) if told.is_one && is_one_piece(&usual, all) => (1, all),
        (None, Some(all)) => {
            let pieces = (all.grams() / usual.mass.grams()).round().max(1.0);
            (pieces as u32, Mass::from_grams(all.grams() / pieces))
        }
        (None, None) => {
            let words = format!("No weight: {} of {{}}", usual.pieces);
            assume(Message::with(words, [Quantity::Mass(usual.mass)]));
            (usual.pieces, usual.mass)
        }
    };
    let setting = told.setting.unwrap_or_else(|| {
        let usual = usual.setting_used();
        assume(Message::with(
            "No setting: taken as {}",
            [Quantity::Setting(usual)],
        ));
        usual
    });
    let stages = two_stages(&told.stages, &mut assume);
    let (setting, programme) = match stages[..] {
        [(first, time), (second, _)] if first > second => (
            second,
            Programme::HotStart {
                setting: first,
                time,
            },
        ),
        [(first, _), (second, time)] if second > first => (
            first,
            Programme::HotFinish {
                setting: second,
                time,
            },
        ),
        _ => (setting, Programme::Steady),
    };
    let turn = match told.turned {
        Some(true) => TurnRule::HalfWay,
        Some(false) => TurnRule::Never,
        None => {
            assume(Message::plain(if usual.turn == TurnRule::Never {
                "Turning is not said: taken as not turned"
            } else {
                "Turning is not said: taken as turned half-way"
            }));
            if usual.turn == TurnRule::Never {
                TurnRule::Never
            } else {
                TurnRule::HalfWay
            }
        }
    };
    let surface = surface(&told.layers).unwrap_or(usual.surface);
    let request = Request {
        pieces,
        mass,
        thickness: told.thickness,
        surface,
        start: match told.tempered {
            _ if told.frozen => Start::Frozen,
            Some(time) if bounds::COUNTER.check(time.seconds()).is_ok() => Start::Tempered(time),
            _ => usual.start,
        },
        setting: Some(setting),
        programme,
        turn,
        sauce: match told.sauced {
            Some(Sauced::Brushed) => SauceRule::LastMinutes,
            Some(Sauced::Tossed) => SauceRule::Tossed,
            None => usual.sauce,
        },
        preheat: match told.preheated {
            Some(true) => PreheatRule::Always,
            Some(false) => PreheatRule::Never,
            None => usual.preheat,
        },
        region: own.region,
        altitude: own.altitude,
        thermometer: own.thermometer,
        vulnerable: own.vulnerable,
        room: own.room,
        target: crate::doneness::usual_texture(usual.entry(), own.region)
            .map_or(usual.target, |texture| texture.core),
        ..usual
    };
    let Some(wanted) = told.inside else {
        return request;
    };
    /// Degrees are rounded, K.
    const AS_GOOD_AS: f64 = 0.3;
    // Never below the safe minimum without being asked.
    let target = match request.floor().core {
        Some(least) if wanted.celsius() < least.celsius() - AS_GOOD_AS => {
            assumed.push(Message::with(
                "{} inside is below the safe minimum: planned to {}",
                [Quantity::Temperature(wanted), Quantity::Temperature(least)],
            ));
            least
        }
        Some(least) if wanted < least => least,
        _ => wanted,
    };
    Request { target, ..request }
}

/// Stages as a programme has them: of more than two those are taken as one, by their times, that differ least.
fn two_stages(
    told: &[(Temperature, Interval)],
    assume: &mut impl FnMut(Message),
) -> Vec<(Temperature, Interval)> {
    let mut stages = told.to_vec();
    while stages.len() > 2 {
        let lost = |pair: &[(Temperature, Interval)]| match pair {
            [(a, x), (b, y)] => {
                let (x, y) = (x.seconds(), y.seconds());
                x * y / (x + y) * (a.celsius() - b.celsius()).powi(2)
            }
            _ => f64::INFINITY,
        };
        let pairs = stages.windows(2).enumerate();
        let least = pairs.min_by(|(_, one), (_, other)| lost(one).total_cmp(&lost(other)));
        let Some((n, &[(a, x), (b, y)])) = least else {
            break;
        };
        let (x, y) = (x.seconds(), y.seconds());
        let mean = (a.celsius() * x + b.celsius() * y) / (x + y);
        let one = (
            Temperature::from_celsius(mean),
            Interval::from_seconds(x + y),
        );
        assume(Message::with(
            "Two of its dials taken as one: {} for {}",
            [Quantity::Setting(one.0), Quantity::Time(one.1)],
        ));
        stages.splice(n..n + 2, [one]);
    }
    stages
}

/// How many, and what all weigh, as it is said: racks of ribs are cut into pieces that go in.
fn amounts(
    told: &Cooking,
    cut: CutId,
    assume: &mut impl FnMut(Message),
) -> (Option<u32>, Option<Mass>) {
    /// A rack of back ribs (common practice: 700 to 1100 g).
    const RACK: Mass = Mass::from_grams(900.0);
    let Some(racks) = told.racks.filter(|_| cut == CutId::BackRibs) else {
        return (told.pieces, told.mass);
    };
    let all = told.mass.unwrap_or_else(|| {
        assume(Message::with(
            "No weight: {} a rack",
            [Quantity::Mass(RACK)],
        ));
        Mass::from_grams(racks * RACK.grams())
    });
    (None, Some(all))
}

/// The machine a recipe was written for: the one it says, or a drawer; where one piece is too large for the drawers
/// that are known here, or the dial goes higher than theirs, an oven-style machine or an oven.
fn written_for(told: &Cooking, cut: CutId, assume: &mut impl FnMut(Message)) -> &'static Preset {
    const LARGER: [(MachineKind, &str); 2] = [
        (MachineKind::OvenStyle, "an oven-style machine"),
        (MachineKind::StillOven, "an oven"),
    ];
    let one = match (told.each, told.mass, told.pieces) {
        (Some(each), ..) => Some(each),
        (None, Some(all), Some(pieces)) => {
            Some(Mass::from_grams(all.grams() / f64::from(pieces.max(1))))
        }
        (None, all, _) => all.filter(|_| told.is_one || crate::meat::cut(cut).usual_pieces == 1),
    };
    let fits = |preset: &Preset| {
        let usual = Request::usual(cut, preset.machine());
        let one = Request {
            pieces: 1,
            mass: one.unwrap_or(usual.mass),
            ..usual
        };
        let dials = told.stages.iter().map(|(dial, _)| *dial);
        let is_on_the_dial = dials
            .chain(told.setting)
            .all(|dial| one.machine.on_dial(dial) <= one.machine.highest);
        is_on_the_dial
            && !matches!(
                one.check(),
                Err(PlanError::TooTall { .. } | PlanError::TooLarge { .. })
            )
    };
    // Of drawers the larger one: that is what recipes are written with (common practice).
    let of = |kind: MachineKind| PRESETS.iter().rfind(|preset| preset.kind == kind);
    let kind = told.machine.unwrap_or(MachineKind::Drawer);
    let usual = of(kind).unwrap_or(&PRESETS[0]);
    let larger = LARGER.iter().find_map(|(kind, words)| {
        let preset = of(*kind).filter(|preset| fits(preset))?;
        Some((preset, words))
    });
    match larger {
        Some((preset, words)) if kind == MachineKind::Drawer && !fits(usual) => {
            assume(
                format!(
                    "Too large or too hot for the drawers that are known here: taken as {words}"
                )
                .into(),
            );
            preset
        }
        _ => {
            if told.machine.is_none() {
                assume(Message::plain(
                    "No machine: taken as a drawer with a basket",
                ));
            }
            usual
        }
    }
}

/// Whether a piece of a cut can be so heavy.
fn is_one_piece(usual: &Request, mass: Mass) -> bool {
    /// Times the heaviest that shops sell.
    const MOST: f64 = 2.5;
    let [_, _, heavy] = usual.entry().usual_mass;
    mass.grams() <= MOST * heavy.grams()
}

/// Layers in the order in which they were found, where they go together.
fn surface(layers: &[Layer]) -> Option<Surface> {
    (!layers.is_empty()).then(|| Surface::layered(layers).ok())?
}

/// When the core there is at the safe minimum, where there is one.
fn safe(written: &Request, plan: &Plan) -> Option<Interval> {
    let least = written.floor().core?;
    let picture = &plan.picture;
    let at = curve::first_crossing(&picture.minutes, &picture.core, least.celsius())?;
    (at * 60.0 < LONGEST.seconds()).then(|| Interval::from_minutes(at))
}

/// The minutes here if it had been written for each of the other usual kinds.
fn others(written: &Request, time: Interval, own: &Request) -> Vec<(MachineKind, Interval)> {
    [
        MachineKind::OvenStyle,
        MachineKind::FanOven,
        MachineKind::StillOven,
    ]
    .into_iter()
    .filter(|kind| *kind != written.machine.kind)
    .filter_map(|kind| {
        let machine = PRESETS.iter().find(|preset| preset.kind == kind)?.machine();
        let support = Request::usual(written.cut, machine.clone()).support;
        let other = Request {
            machine,
            support,
            ..written.clone()
        };
        Some((kind, convert(&other, time, &own.machine).ok()?.time))
    })
    .collect()
}
