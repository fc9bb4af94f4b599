//! The band of a plan against cooks drawn from the stated spreads and computed in full.

use crate::chance::Chance;
use ember_core::fryer::PRESETS;
use ember_core::meat::CutId;
use ember_core::plan::{Request, plan, synthetic};
use ember_core::units::Length;

const COOKS: usize = 60;

fn requests() -> Vec<Request> {
    let usual = |cut, preset: usize| Request::usual(cut, PRESETS[preset].machine());
    let mut measured = usual(CutId::BonelessBreast, 1);
    measured.thickness = Some(Length::from_millimetres(34.0));
    vec![
        usual(CutId::PartyWing, 1),
        usual(CutId::BoneInThigh, 1),
        usual(CutId::PorkChop, 2),
        usual(CutId::BeefRoast, 2),
        measured,
    ]
}

/// Eight in ten synthetic cooks come out inside the band; 300 of them, so that three standard
/// errors are 7 %.
#[test]
fn the_band_holds_eight_cooks_in_ten() {
    let mut chance = Chance(20_261_125);
    let (mut inside, mut all) = (0, 0);
    for request in requests() {
        let band = plan(&request).unwrap().ensemble.unwrap().pull();
        for _ in 0..COOKS {
            let deviations = std::array::from_fn(|_| chance.normal());
            let pull = synthetic(&request, deviations).unwrap().pull;
            all += 1;
            if (band.early.minutes()..=band.late.minutes()).contains(&pull.minutes()) {
                inside += 1;
            }
        }
    }
    let share = f64::from(inside) / f64::from(all);
    assert!((share - 0.8).abs() < 0.07, "{inside} of {all} inside");
}

#[test]
fn the_same_request_has_the_same_band() {
    let request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    assert_eq!(
        plan(&request).unwrap().ensemble,
        plan(&request).unwrap().ensemble
    );
}

#[test]
fn measuring_narrows_the_band() {
    let guessed = Request::usual(CutId::BonelessBreast, PRESETS[1].machine());
    let mut measured = guessed.clone();
    measured.thickness = Some(guessed.thickness_used());
    measured.start = ember_core::plan::Start::Measured(guessed.start.temperature());
    let width = |request: &Request| {
        let band = plan(request).unwrap().ensemble.unwrap().pull();
        band.late.minutes() - band.early.minutes()
    };
    assert!(width(&measured) < 0.8 * width(&guessed));
}
