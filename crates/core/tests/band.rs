//! The band of a plan against cooks drawn from the stated spreads and computed in full.
#![allow(clippy::unwrap_used, clippy::indexing_slicing)]

use ember_core::fryer::PRESETS;
use ember_core::meat::CutId;
use ember_core::plan::{Request, plan, synthetic_pull};
use ember_core::units::{Interval, Length, Temperature};

/// Deviates of a cook that nobody planned: a splitmix generator summed to a normal distribution,
/// which has nothing in common with how the band draws its members.
struct Chance(u64);

impl Chance {
    fn even(&mut self) -> f64 {
        self.0 = self.0.wrapping_add(0x9E37_79B9_7F4A_7C15);
        let mut z = self.0;
        z = (z ^ (z >> 30)).wrapping_mul(0xBF58_476D_1CE4_E5B9);
        z = (z ^ (z >> 27)).wrapping_mul(0x94D0_49BB_1331_11EB);
        ((z ^ (z >> 31)) >> 11) as f64 / (1u64 << 53) as f64
    }

    /// Sum of twelve less six: variance one.
    fn normal(&mut self) -> f64 {
        (0..12).map(|_| self.even()).sum::<f64>() - 6.0
    }
}

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
            let pull = synthetic_pull(&request, deviations).unwrap();
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

#[test]
fn a_reading_moves_and_narrows_what_is_left() {
    let plan = plan(&Request::usual(CutId::BeefRoast, PRESETS[2].machine())).unwrap();
    let ensemble = plan.ensemble.as_ref().unwrap();
    let minute = Interval::from_minutes(40.0);
    let at = |kelvins: f64| {
        let core = Temperature::from_celsius(plan.picture.core_at(40.0) + kelvins);
        ensemble.after(minute, core)
    };
    let before = ensemble.pull();
    let width = |band: ember_core::plan::Band| band.late.minutes() - band.early.minutes();
    for kelvins in [-4.0, 0.0, 4.0] {
        let after = at(kelvins);
        assert!(width(after.band) < 0.8 * width(before), "{kelvins}");
        assert!(after.band.early.minutes() <= after.more.minutes());
        assert!(after.more.minutes() <= after.band.late.minutes());
    }
    assert!(at(-4.0).more.minutes() > at(0.0).more.minutes());
    assert!(at(0.0).more.minutes() > at(4.0).more.minutes());
    // A reading that no cook explains still gets an answer in its own direction.
    assert!(at(-25.0).more.minutes() > at(-4.0).more.minutes());
    assert!(at(25.0).more.minutes() < at(4.0).more.minutes());
}
