//! A roast on the spit: whether it turns free, hangs even, and what ties it.

use crate::fryer::Spit;
use crate::units::{Length, Mass};

/// How the roast is tied.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Default)]
pub enum Tie {
    /// Twine every few centimetres, no loose end.
    #[default]
    Tight,
    /// Twine, but something gives.
    Loose,
    /// No twine.
    Untied,
}

/// A roast on its spit.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Spitted {
    /// Along the spit, all pieces together.
    pub length: Length,
    /// Across it, as tied.
    pub diameter: Length,
    /// Weight of everything on it.
    pub mass: Mass,
    /// How far its weight hangs off the axis.
    pub offset: Length,
    /// Turning moment of that, N m.
    pub moment: f64,
    /// The moment its motor bears, N m.
    pub limit: f64,
    /// Diameter that it sweeps, flaps included.
    pub swept: Length,
    /// Clearance to wall and element at the worst angle; negative where the roast touches.
    pub clearance: Length,
    /// Rounds of twine.
    pub ties: u32,
    /// Twine for one round: the girth and two ends to pull on.
    pub wrap: Length,
    /// How deep the forks go.
    pub fork_depth: Length,
}

/// Why a spit stands still.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Fault {
    /// A flap hits wall or element.
    FlapHits,
    /// The forks spin in the meat.
    ForksNotDriven,
    /// The spit sits beside its socket.
    NotSeated,
    /// Rotation was not switched on.
    NotSwitchedOn,
    /// The meat shrank off its forks.
    Shrunk,
    /// The weight hangs to one side.
    OffCentre,
}

/// One fault with how likely it is.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Suspect {
    /// What.
    pub fault: Fault,
    /// Share of the likelihood.
    pub share: f64,
}

/// Acceleration of free fall, m/s² (standard value).
const GRAVITY: f64 = 9.806_65;
/// A motor turns the heaviest load it is made for when that hangs so far off its axis, m (from
/// memory; makers say a weight and no moment).
const MOTOR_ARM: f64 = 0.010;
/// Length of meat for each round of twine, mm (common practice: every 3-5 cm).
const TIE_EVERY: f64 = 40.0;
/// Length of each end of a round, to pull the knot tight, mm: with the girth of a small roast
/// that makes about a metre a round (common practice).
const TO_PULL: f64 = 300.0;
/// Greatest depth of a fork, mm; it never exceeds a third of the meat.
const FORK: f64 = 50.0;

impl Tie {
    /// Every way.
    pub const ALL: [Self; 3] = [Self::Tight, Self::Loose, Self::Untied];

    /// The name on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::Tight => "tight",
            Self::Loose => "loose",
            Self::Untied => "untied",
        }
    }

    /// How far the weight hangs off the axis, as a share of the diameter: what driving the spit by
    /// eye misses, and what sags (from memory).
    const fn off_centre(self) -> f64 {
        match self {
            Self::Tight => 0.03,
            Self::Loose => 0.08,
            Self::Untied => 0.14,
        }
    }

    /// How far a flap stands out, as a share of the diameter (from memory).
    const fn flap(self) -> f64 {
        match self {
            Self::Tight => 0.0,
            Self::Loose => 0.15,
            Self::Untied => 0.30,
        }
    }
}

/// Puts pieces one behind the other on a spit.
///
/// ```
/// use ember_model::basket::{Tie, on_the_spit};
/// use ember_model::{fryer::Spit, units::{Length, Mass}};
/// let mm = Length::from_millimetres;
/// let spit = Spit { length: mm(230.0), diameter: mm(150.0), heaviest: Mass::from_grams(2000.0) };
/// let loin = on_the_spit(1, [mm(185.0), mm(85.0)], Mass::from_grams(1100.0), Tie::Tight, spit);
/// assert!(loin.moment < loin.limit && loin.clearance.millimetres() > 20.0);
/// ```
#[must_use]
pub fn on_the_spit(
    pieces: usize,
    [length, diameter]: [Length; 2],
    mass: Mass,
    tie: Tie,
    spit: Spit,
) -> Spitted {
    let mm = Length::from_millimetres;
    let count = pieces.max(1) as f64;
    let (along, across) = (length.millimetres() * count, diameter.millimetres());
    let offset = tie.off_centre() * across;
    let swept = across + 2.0 * (offset + tie.flap() * across);
    let mass = Mass::from_grams(mass.grams() * count);
    Spitted {
        length: mm(along),
        diameter,
        mass,
        offset: mm(offset),
        moment: mass.kilograms() * GRAVITY * offset * 1e-3,
        limit: spit.heaviest.kilograms() * GRAVITY * MOTOR_ARM,
        swept: mm(swept),
        clearance: mm((spit.diameter.millimetres() - swept) / 2.0),
        ties: ((along / TIE_EVERY).ceil() as u32).max(2),
        wrap: mm(std::f64::consts::PI * across + 2.0 * TO_PULL),
        fork_depth: mm(FORK.min(along / 3.0)),
    }
}

impl Spitted {
    /// Twine for all rounds.
    #[must_use]
    pub fn twine(&self) -> Length {
        Length::from_millimetres(self.wrap.millimetres() * f64::from(self.ties))
    }

    /// How much shorter it is when it has lost a share of its weight as water: as much in each
    /// direction.
    #[must_use]
    pub fn shrinks_by(&self, water_lost: f64) -> Length {
        let left = (1.0 - water_lost.clamp(0.0, 1.0)).cbrt();
        Length::from_millimetres(self.length.millimetres() * (1.0 - left))
    }
}

/// Why a spit stands still, the likeliest first. `turned` is for how large a part of the cook it
/// did turn: nought where it never did.
///
/// The order starts from common practice (a loose tie, then the forks, the socket, the switch, and
/// shrinking) and moves with what is known of this roast.
///
/// ```
/// use ember_model::basket::{Fault, Tie, diagnose, on_the_spit};
/// use ember_model::{fryer::Spit, units::{Length, Mass}};
/// let mm = Length::from_millimetres;
/// let spit = Spit { length: mm(230.0), diameter: mm(110.0), heaviest: Mass::from_grams(2000.0) };
/// let loin = |tie| on_the_spit(1, [mm(185.0), mm(85.0)], Mass::from_grams(1100.0), tie, spit);
/// assert_eq!(diagnose(&loin(Tie::Loose), 0.3)[0].fault, Fault::FlapHits);
/// assert_eq!(diagnose(&loin(Tie::Tight), 0.0)[0].fault, Fault::NotSwitchedOn);
/// assert_eq!(diagnose(&loin(Tie::Tight), 0.8)[0].fault, Fault::Shrunk);
/// ```
#[must_use]
pub fn diagnose(roast: &Spitted, turned: f64) -> Vec<Suspect> {
    /// Less room than this at the worst angle and a flap soon touches, mm.
    const CLOSE: f64 = 8.0;
    let never = turned <= 0.0;
    let late = turned > 0.5;
    let close = roast.clearance.millimetres() < CLOSE;
    let heavy = roast.moment / roast.limit;
    let mut suspects = [
        (Fault::FlapHits, if close { 12.0 } else { 4.0 }),
        (Fault::ForksNotDriven, 3.0),
        // What worked for a while was seated and switched on.
        (Fault::NotSeated, if never { 6.0 } else { 1.0 }),
        (Fault::NotSwitchedOn, if never { 7.0 } else { 0.5 }),
        (Fault::Shrunk, if late { 6.0 } else { 0.5 }),
        (Fault::OffCentre, 8.0 * heavy.max(0.0).powi(2).min(2.0)),
    ]
    .map(|(fault, share)| Suspect { fault, share });
    let all: f64 = suspects.iter().map(|suspect| suspect.share).sum();
    for suspect in &mut suspects {
        suspect.share /= all;
    }
    suspects.sort_by(|a, b| b.share.total_cmp(&a.share));
    suspects.to_vec()
}

impl Fault {
    /// The name on the wire.
    #[must_use]
    pub const fn id(self) -> &'static str {
        match self {
            Self::FlapHits => "flap_hits",
            Self::ForksNotDriven => "forks_not_driven",
            Self::NotSeated => "not_seated",
            Self::NotSwitchedOn => "not_switched_on",
            Self::Shrunk => "shrunk",
            Self::OffCentre => "off_centre",
        }
    }

    /// What to look for, and what to do.
    #[must_use]
    pub const fn words(self) -> [&'static str; 2] {
        match self {
            Self::FlapHits => [
                "A flap or a loose tie hits the wall or the element",
                "Switch off. Tie it tighter, tuck flaps under the twine, trim ends to 1 cm.",
            ],
            Self::ForksNotDriven => [
                "The forks spin in the meat",
                "Drive both forks in to the hilt and tighten their screws.",
            ],
            Self::NotSeated => [
                "The spit sits beside its socket",
                "Lift it out with both handles and set the driven end in first.",
            ],
            Self::NotSwitchedOn => [
                "Rotation is not switched on",
                "Press the rotation key; on many machines it starts only with the programme.",
            ],
            Self::Shrunk => [
                "The meat shrank off its forks",
                "Push both forks together again and tighten the screws.",
            ],
            Self::OffCentre => [
                "The weight hangs to one side",
                "Take it out and drive the spit through the middle again.",
            ],
        }
    }
}

/// What to go through before the machine is switched on.
pub const CHECKLIST: [&str; 6] = [
    "Tied every 4 cm, ends cut to 1 cm, nothing hanging.",
    "Spit through the middle, meat centred between the ends.",
    "Both forks driven in, screws tight.",
    "Spit seated in its socket at both ends.",
    "One turn by hand: clear of walls and element all the way round.",
    "Rotation switched on. Watch the first two minutes.",
];

#[cfg(test)]
mod tests {
    use super::*;

    fn mm(value: f64) -> Length {
        Length::from_millimetres(value)
    }

    const SPIT: Spit = Spit {
        length: Length::from_millimetres(230.0),
        diameter: Length::from_millimetres(150.0),
        heaviest: Mass::from_grams(2000.0),
    };

    /// By hand: 1.1 kg of 85 mm, tied tight, hangs 0.03 of 85 = 2.55 mm off its axis: 1.1 kg times
    /// 9.807 m/s² times 2.55 mm = 0.0275 N m. The motor: 2 kg, 9.807 m/s², 10 mm = 0.196 N m.
    #[test]
    fn balance_is_that_of_a_lever() {
        let loin = on_the_spit(
            1,
            [mm(185.0), mm(85.0)],
            Mass::from_grams(1100.0),
            Tie::Tight,
            SPIT,
        );
        assert!((loin.moment - 0.0275).abs() < 1e-4, "{}", loin.moment);
        assert!((loin.limit - 0.1961).abs() < 1e-4, "{}", loin.limit);
        // Untied: 0.14 of 85 = 11.9 mm off, a flap of 25.5 mm: sweeps 85 + 2 * 37.4 = 159.8 mm.
        let untied = on_the_spit(
            1,
            [mm(185.0), mm(85.0)],
            Mass::from_grams(1100.0),
            Tie::Untied,
            SPIT,
        );
        assert!((untied.swept.millimetres() - 159.8).abs() < 1e-9);
        assert!((untied.clearance.millimetres() + 4.9).abs() < 1e-9);
        assert!(untied.moment > 0.6 * untied.limit);
    }

    /// Common practice: about a metre (a yard, 914 mm) of twine a round. By hand: 185 mm over 40 are
    /// 5 rounds; pi times 85 is 267 mm, and two ends of 300.
    #[test]
    fn twine_is_about_a_metre_a_round() {
        let loin = on_the_spit(
            1,
            [mm(185.0), mm(85.0)],
            Mass::from_grams(1100.0),
            Tie::Tight,
            SPIT,
        );
        assert_eq!(loin.ties, 5);
        assert!((loin.wrap.millimetres() - 867.0).abs() < 0.1);
        assert!((loin.twine().millimetres() - 4335.0).abs() < 1.0);
        for diameter in [70.0, 85.0, 100.0, 120.0] {
            let size = [mm(200.0), mm(diameter)];
            let wrap = on_the_spit(1, size, Mass::from_grams(1500.0), Tie::Tight, SPIT).wrap;
            assert!((800.0..1100.0).contains(&wrap.millimetres()), "{diameter}");
        }
    }

    /// By hand: a fifth of the weight gone leaves the cube root of 0.8 = 0.928 of each side.
    #[test]
    fn meat_shrinks_off_its_forks() {
        let loin = on_the_spit(
            1,
            [mm(200.0), mm(85.0)],
            Mass::from_grams(1100.0),
            Tie::Tight,
            SPIT,
        );
        assert!((loin.shrinks_by(0.2).millimetres() - 14.3).abs() < 0.1);
    }

    #[test]
    fn suspicion_is_shared_out() {
        let loin = on_the_spit(
            1,
            [mm(200.0), mm(85.0)],
            Mass::from_grams(1100.0),
            Tie::Loose,
            SPIT,
        );
        for turned in [0.0, 0.2, 0.9] {
            let all = diagnose(&loin, turned);
            let sum: f64 = all.iter().map(|suspect| suspect.share).sum();
            assert!((sum - 1.0).abs() < 1e-12);
            assert!(all.is_sorted_by(|a, b| a.share >= b.share));
        }
    }
}
