//! What a kitchen learns, against kitchens whose truth is known: cooks computed in full in a machine other than the
//! plan believes, with pieces, starts and air drawn by chance, bent in time by what the model does not know, and
//! read with noise. The bars are the project's own.

use crate::chance::Chance;
use crate::kitchen::Kitchen;
use ember_core::fryer::{Calibration, PRESETS};
use ember_core::heat::Looking;
use ember_core::learned::{Cooked, Learned, Own, learn};
use ember_core::live::{Found, Lesson, Shade, What, lesson};
use ember_core::meat::{Browning, CutId};
use ember_core::plan::{
    Band, Known, KnownMachine, Outside, PreheatRule, Request, StepKind, Synthetic, TurnRule, plan,
    synthetic,
};
use ember_core::units::{Length, TemperatureDifference};

const CUTS: [CutId; 4] = [
    CutId::BoneInThigh,
    CutId::PorkChop,
    CutId::BonelessBreast,
    CutId::Drumstick,
];

fn planned(id: CutId) -> Request {
    let mut request = Request::usual(id, PRESETS[1].machine());
    request.outside = Some(Outside::AsItComes);
    request.turn = TurnRule::Never;
    request.preheat = PreheatRule::Never;
    request
}

/// The same with a ruler: what is left is the machine.
fn measured(id: CutId) -> Request {
    let usual = planned(id);
    Request {
        thickness: Some(usual.thickness_used()),
        ..usual
    }
}

fn machine(heat: f64, kelvins: f64) -> Calibration {
    Calibration {
        heat,
        offset: TemperatureDifference::from_kelvins(kelvins),
    }
}

/// What the model does not know of a cook that is read, as a share of its time.
const BENT: f64 = 0.03;

/// A cook in a machine as it is, its piece, its start and its air drawn by chance.
fn real(request: &Request, machine: Calibration, chance: &mut Chance) -> Synthetic {
    let mut real = request.clone();
    real.machine.calibration = machine;
    real.known = Known::default();
    // What is this cook's alone is half of the variance.
    let own = 0.5_f64.sqrt();
    let [thick, start] = [(); 2].map(|()| own * chance.normal());
    synthetic(&real, [thick, start, 0.0, 0.0, chance.normal()]).unwrap()
}

/// Minutes and cores of one, bent in time.
fn truth(request: &Request, machine: Calibration, chance: &mut Chance) -> (Vec<f64>, Vec<f64>) {
    let cook = real(request, machine, chance);
    let bent = (BENT * chance.normal()).exp();
    (
        cook.minutes.iter().map(|minute| minute * bent).collect(),
        cook.core,
    )
}

fn at(minutes: &[f64], cores: &[f64], minute: f64) -> f64 {
    let after = minutes.iter().position(|one| *one >= minute);
    let n = after.unwrap_or(minutes.len() - 1).max(1);
    let share = (minute - minutes[n - 1]) / (minutes[n] - minutes[n - 1]);
    cores[n - 1] + share * (cores[n] - cores[n - 1])
}

/// One cook read at shares of its time, and the air where it is measured: what it says.
fn cooked(request: &Request, machine: Calibration, read_at: &[f64], chance: &mut Chance) -> Lesson {
    let mut kitchen = Kitchen::of(request.clone());
    let (minutes, cores) = truth(request, machine, chance);
    kitchen.done(0.0, StepKind::Load, 1);
    for share in read_at {
        let minute = share * kitchen.plan.pull_at.minutes();
        let read = at(&minutes, &cores, minute) + 1.5 * chance.normal();
        kitchen.read(minute, read);
    }
    lesson(kitchen.planned(), 0.0, &kitchen.told, Found::default()).unwrap()
}

/// When a cook of the next piece is ready, min, with nothing that the model does not know.
fn alone(request: &Request, machine: Calibration, chance: &mut Chance) -> f64 {
    real(request, machine, chance).pull.minutes()
}

fn drum() -> [Own; 1] {
    [Own {
        name: "the drum".to_owned(),
        calibration: Calibration::default(),
    }]
}

fn cook_of(cut: CutId, age: f64, lesson: Lesson) -> Cooked {
    Cooked {
        machine: "the drum".to_owned(),
        cut,
        age,
        lesson,
    }
}

/// So many cooks one after the other, each planned with what was learned before.
fn lived(
    count: usize,
    real: impl Fn(usize) -> Calibration,
    read_at: &[f64],
    chance: &mut Chance,
) -> (Learned, Vec<Cooked>) {
    let mut cooks: Vec<Cooked> = Vec::new();
    for n in 0..count {
        let id = CUTS[n % CUTS.len()];
        let mut request = measured(id);
        request.known = learn(&drum(), &cooks).known("the drum", id);
        let said = cooked(&request, real(n), read_at, chance);
        for cook in &mut cooks {
            cook.age += 4.0;
        }
        cooks.push(cook_of(id, 0.0, said));
    }
    (learn(&drum(), &cooks), cooks)
}

/// A machine 15 % too strong and 8 K off, which makes a chop ready 8 % sooner. What is left of that after cooks
/// with one reading each, of one piece of a measured thickness: the project's bar (heat within 5 %, offset within
/// 3 K, or their combination, some 2.5 % of the minutes) is not met by six, since the core follows the machine by
/// so little that its prior is as narrow as what six readings leave. Read at the check, where a cook reads, more than
/// half of it goes; read three times, nearly all in twenty cooks.
#[test]
fn cooks_tell_a_strong_machine() {
    let real = machine(1.15, 8.0);
    let ready = |known: Known, calibration: Calibration| {
        let mut request = measured(CutId::PorkChop);
        request.known = Known { cut: None, ..known };
        request.machine.calibration = calibration;
        synthetic(&request, [0.0; 5]).unwrap().pull.seconds()
    };
    let is = ready(Known::default(), real);
    let off = |known: Known| (ready(known, Calibration::default()) / is).ln().abs();
    let usual = off(Known::default());
    let left = |count: usize, read_at: &[f64]| {
        let mut chance = Chance(20_261_127);
        let errors: f64 = (0..6)
            .map(|_| {
                let (learned, _) = lived(count, |_| real, read_at, &mut chance);
                off(learned.known("the drum", CutId::PorkChop))
            })
            .sum();
        errors / 6.0
    };
    let [six, check] = [0.6, 0.9].map(|at| left(6, &[at]));
    let more = left(20, &[0.45, 0.6, 0.8]);
    println!(
        "off by {usual:.3}; after six {six:.3}, read at the check {check:.3}; twenty {more:.3}"
    );
    assert!(six < 0.8 * usual, "{six:.3} of {usual:.3}");
    assert!(check < 0.55 * usual, "{check:.3} of {usual:.3}");
    assert!(more < 0.55 * usual, "{more:.3} of {usual:.3}");
}

/// The next plan's band of eight in ten is narrower than before anything was known, and holds the next cook: its
/// machine drawn by chance, its pieces and their thickness as this kitchen buys them.
#[test]
fn the_next_band_is_narrower_and_still_holds() {
    let mut chance = Chance(7);
    let (mut held, mut widths) = ([0, 0], [0.0; 2]);
    let seeds = 80;
    for seed in 0..seeds {
        let real = machine((0.1 * chance.normal()).exp(), 6.0 * chance.normal());
        let (learned, _) = lived(8, |_| real, &[0.5, 0.75], &mut chance);
        let id = CUTS[seed % CUTS.len()];
        let mut request = planned(id);
        let before = plan(&request).unwrap().ensemble.unwrap().pull();
        request.known = learned.known("the drum", id);
        let after = plan(&request).unwrap().ensemble.unwrap().pull();
        let width = |band: Band| (band.late.seconds() / band.early.seconds()).ln();
        widths[0] += width(before);
        widths[1] += width(after);
        let ready = alone(&request, real, &mut chance);
        for (held, band) in held.iter_mut().zip([before, after]) {
            *held += usize::from((band.early.minutes()..=band.late.minutes()).contains(&ready));
        }
    }
    println!("held {held:?} of {seeds}, widths {widths:?}");
    assert!(widths[1] < 0.9 * widths[0], "{widths:?}");
    let share = held[1] as f64 / seeds as f64;
    assert!((0.70..=0.95).contains(&share), "{share}");
}

/// A machine that is swapped: after four cooks in the new one the band holds the next in 80 % of 100 seeds.
#[test]
fn a_swapped_machine_is_noticed() {
    let mut chance = Chance(11);
    let (mut held, mut noticed) = (0, 0);
    for _ in 0..100 {
        let mut drawn = || machine((0.1 * chance.normal()).exp(), 6.0 * chance.normal());
        let (old, new) = (drawn(), drawn());
        let swapped = |n: usize| if n < 6 { old } else { new };
        let (learned, _) = lived(10, swapped, &[0.5, 0.75], &mut chance);
        let mut request = planned(CUTS[0]);
        request.known = learned.known("the drum", CUTS[0]);
        let band = plan(&request).unwrap().ensemble.unwrap().pull();
        let ready = alone(&request, new, &mut chance);
        held += usize::from((band.early.minutes()..=band.late.minutes()).contains(&ready));
        noticed += usize::from(learned.machines[0].is_another);
    }
    println!("held {held} of 100, noticed {noticed}");
    assert!(held >= 76, "{held} of 100");
}

/// What changes beyond doubt is noticed, and what was learned before is not mixed with it.
#[test]
fn another_machine_under_the_same_name_begins_anew() {
    let mut chance = Chance(2);
    let (old, new) = (machine(1.5, 25.0), machine(0.7, -25.0));
    let swapped = |n: usize| if n < 6 { old } else { new };
    let (learned, _) = lived(12, swapped, &[0.4, 0.6, 0.8], &mut chance);
    let drum = &learned.machines[0];
    assert!(drum.is_another && drum.cooks.len() <= 7, "{drum:?}");
    assert!(drum.heat.mean < 0.0 && drum.offset.mean < 0.0, "{drum:?}");
}

#[test]
fn the_order_of_cooks_matters_only_by_their_age() {
    let mut chance = Chance(3);
    let (_, cooks) = lived(5, |_| machine(1.1, 3.0), &[0.6], &mut chance);
    let there = learn(&drum(), &cooks);
    let back: Vec<Cooked> = cooks.into_iter().rev().collect();
    let again = learn(&drum(), &back);
    let [a, b] = [&there, &again].map(|one| &one.machines[0]);
    assert!(
        (a.heat.mean - b.heat.mean).abs() < 1e-9 && (a.offset.mean - b.offset.mean).abs() < 1e-9
    );
    // A year later it says half as much.
    let old: Vec<Cooked> = (back.into_iter())
        .map(|cook| Cooked {
            age: cook.age + 3000.0,
            ..cook
        })
        .collect();
    let faded = &learn(&drum(), &old).machines[0];
    assert!(faded.heat.mean.abs() < 0.3 * a.heat.mean.abs());
}

#[test]
fn nothing_is_learned_from_a_reading_that_is_doubted() {
    let request = planned(CutId::BoneInThigh);
    let mut kitchen = Kitchen::of(request);
    kitchen.done(0.0, StepKind::Load, 1);
    let usual = kitchen.plan.pull_at.minutes();
    for share in [0.5, 0.65, 0.8] {
        let minute = share * usual;
        let core = kitchen.expected(minute);
        kitchen.read(minute, core);
    }
    let said = lesson(kitchen.planned(), 0.0, &kitchen.told, Found::default()).unwrap();
    kitchen.read(0.72 * usual, kitchen.expected(0.72 * usual) + 25.0);
    let after = lesson(kitchen.planned(), 0.0, &kitchen.told, Found::default()).unwrap();
    assert_eq!((after.readings, after.doubted), (3, 1));
    for (a, b) in said.pull.iter().zip(&after.pull) {
        assert!(
            (a - b).abs() <= 0.02 * (1.0 + a.abs()),
            "{said:?} {after:?}"
        );
    }
    // Who took no reading says little, and says it: how it was found inside is weak.
    kitchen
        .told
        .retain(|told| !matches!(told.what, What::Reading(_)));
    assert!(lesson(kitchen.planned(), 0.0, &kitchen.told, Found::default()).is_none());
    let pull = kitchen.step(StepKind::Pull, 1);
    kitchen.tell(usual, What::Done(pull));
    let dry = Found {
        inside: Some(5),
        ..Found::default()
    };
    let tasted = lesson(kitchen.planned(), 0.0, &kitchen.told, dry).unwrap();
    assert_eq!(tasted.readings, 0);
    assert!(tasted.precision[0][0] < 0.7 * said.precision[0][0]);
    // Dry: hotter than thought.
    assert!(tasted.pull[0] > 0.0);
}

/// What is learned never makes the first check later, and never loosens a safe minimum.
#[test]
fn what_is_learned_is_on_the_safe_side() {
    for (heat, kelvins) in [(0.8, -10.0), (1.0, 0.0), (1.25, 12.0)] {
        for id in CUTS {
            // Turned as usual: what moves the turn does not move the check with it.
            let usual = Request::usual(id, PRESETS[1].machine());
            let learned = Request {
                known: Known {
                    machine: Some(KnownMachine {
                        heat,
                        heat_spread: 0.03,
                        offset: TemperatureDifference::from_kelvins(kelvins),
                        together: -1.0,
                        offset_spread: 2.0,
                        browning: 1.0 / heat,
                        browning_spread: 0.3,
                        cooks: 6,
                    }),
                    cut: None,
                },
                ..usual.clone()
            };
            let [usual, learned] = [usual, learned].map(|request| plan(&request).unwrap());
            assert!(learned.check_from <= usual.check_from, "{id:?} {heat}");
            assert_eq!(learned.floor, usual.floor);
            let least = learned.floor.core.unwrap();
            assert!(learned.peak_core >= least, "{id:?} {heat}");
            assert_eq!(
                learned.measure_again.is_some(),
                usual.measure_again.is_some()
            );
            // And it says what it knows.
            let said = learned
                .assumptions
                .iter()
                .any(|one| one.message.text.contains("by 6 cooks"));
            assert!(said, "{:?}", learned.assumptions);
        }
    }
}

/// A ruler tells how thick this kitchen's pieces are, also for those that nobody measures.
#[test]
fn a_ruler_teaches_what_the_next_piece_is_like() {
    let mut request = planned(CutId::PorkChop);
    let usual = request.thickness_used().millimetres();
    request.thickness = Some(Length::from_millimetres(1.2 * usual));
    let mut chance = Chance(5);
    let cooks: Vec<Cooked> = (0..4)
        .map(|_| {
            cook_of(
                CutId::PorkChop,
                0.0,
                cooked(&request, machine(1.0, 0.0), &[0.6], &mut chance),
            )
        })
        .collect();
    let known = learn(&drum(), &cooks)
        .known("the drum", CutId::PorkChop)
        .cut
        .unwrap();
    assert!((1.08..1.22).contains(&known.thickness), "{known:?}");
    let spread = ember_core::meat::cut(CutId::PorkChop).thickness.spread;
    assert!(known.thickness_spread < spread);
}

/// Cooks of which nothing but colours is told, by an eye that names the word the faces are in, in a machine that
/// browns so many times as fast and is so hot: the plan knows neither.
fn looked(
    request: &Request,
    browning: f64,
    machine: Calibration,
    by_plan: Option<Shade>,
) -> Lesson {
    let mut real = request.clone();
    real.machine.calibration = machine;
    real.known = Known {
        machine: Some(KnownMachine {
            browning,
            ..KnownMachine::USUAL
        }),
        cut: None,
    };
    let real = plan(&real).unwrap().picture;
    let mut kitchen = Kitchen::of(request.clone());
    kitchen.done(0.0, StepKind::Load, 1);
    let out = kitchen.plan.pull_at.minutes();
    if by_plan.is_none() {
        for share in [0.6, 0.8, 0.95] {
            let minute = share * out;
            let face = at(&real.minutes, &real.upper_browning, minute);
            let (colour, face) = (Browning::of(face), Looking::Up);
            kitchen.tell(minute, What::Looks { colour, face });
        }
    }
    let pull = kitchen.step(StepKind::Pull, 1);
    kitchen.tell(out, What::Done(pull));
    let found = Found {
        inside: None,
        colour: by_plan,
    };
    lesson(kitchen.planned(), 0.0, &kitchen.told, found).unwrap()
}

/// A machine whose faces brown faster or slower than its kind's shows it in the colours that are told; they say
/// nothing of its heat.
#[test]
fn colours_tell_how_fast_faces_brown() {
    let learned = |real: f64, by_plan: Option<Shade>| {
        let cooks: Vec<Cooked> = (0..8)
            .map(|n| {
                let id = CUTS[n % CUTS.len()];
                let said = looked(&planned(id), real, machine(1.0, 0.0), by_plan);
                cook_of(id, 0.0, said)
            })
            .collect();
        let learned = learn(&drum(), &cooks);
        let drum = &learned.machines[0];
        assert!(drum.heat.mean.abs() < 1e-9 && drum.offset.mean.abs() < 1e-9);
        learned.known("the drum", CUTS[0]).machine.unwrap()
    };
    let [slow, usual, fast] = [0.6, 1.0, 1.7].map(|real| learned(real, None));
    println!(
        "{:.2} {:.2} {:.2}",
        slow.browning, usual.browning, fast.browning
    );
    assert!((0.5..0.8).contains(&slow.browning), "{slow:?}");
    assert!((0.85..1.2).contains(&usual.browning), "{usual:?}");
    assert!((1.3..1.8).contains(&fast.browning), "{fast:?}");
    assert!(fast.browning_spread < 0.9 * KnownMachine::USUAL.browning_spread);
    // Held against the plan when it was eaten, as weakly as that is.
    let [paler, same, darker] = [Shade::Paler, Shade::AsPlanned, Shade::Darker]
        .map(|shade| learned(1.0, Some(shade)).browning);
    assert!(paler < 0.9 && darker > 1.1, "{paler} {darker}");
    assert!((same - 1.0).abs() < 0.02, "{same}");
}

/// What is dark since the machine is hot is not learned twice: where readings have told that it is, colours say
/// little more.
#[test]
fn heat_explains_the_colours_it_makes() {
    let hot = machine(1.0, 12.0);
    let mut chance = Chance(17);
    let cooks = |is_read: bool, chance: &mut Chance| -> Vec<Cooked> {
        (0..8)
            .map(|n| {
                let id = CUTS[n % CUTS.len()];
                let request = measured(id);
                let colours = looked(&request, 1.0, hot, None);
                let said = if is_read {
                    let read = cooked(&request, hot, &[0.45, 0.6, 0.8], chance);
                    Lesson {
                        colour: colours.colour,
                        ..read
                    }
                } else {
                    colours
                };
                cook_of(id, 0.0, said)
            })
            .collect()
    };
    let [unread, read] = [false, true].map(|is_read| {
        let cooks = cooks(is_read, &mut chance);
        learn(&drum(), &cooks).machines[0].browning.mean
    });
    println!("unread {unread:.3}, read {read:.3}");
    assert!(unread > 0.1 && read < 0.75 * unread, "{unread} {read}");
}

/// A plan counts with it: as golden, at another minute; inside, all is as it was.
#[test]
fn a_plan_counts_with_how_fast_faces_brown() {
    let browns = |browning: f64| {
        let mut request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
        request.known.machine = Some(KnownMachine {
            browning,
            cooks: 3,
            ..KnownMachine::USUAL
        });
        plan(&request).unwrap()
    };
    let [slow, usual, fast] = [0.6, 1.0, 1.7].map(browns);
    let golden = |plan: &ember_core::plan::Plan| plan.goals.outside_at.unwrap().minutes();
    assert!(golden(&fast) < golden(&usual) - 0.5 && golden(&usual) < golden(&slow) - 0.5);
    let unknown = plan(&Request::usual(CutId::Drumstick, PRESETS[1].machine())).unwrap();
    assert!(slow.check_from <= unknown.check_from && fast.check_from <= unknown.check_from);
    let least = usual.floor.core.unwrap();
    for plan in [slow, usual, fast] {
        assert!(plan.peak_core >= least);
    }
}
