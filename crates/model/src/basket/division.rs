//! Cut to fit: a rack of ribs or a slab in sections that lie in the machine.

use super::load::{Room, trays};
use super::pack::with_gap;
use super::shape::Footprint;
use crate::geometry::{Outline, lay};
use crate::meat::{Cut, Dividing, Silhouette};
use crate::units::{Length, Mass, Temperature};

/// Sections of one piece.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Division {
    /// How many of each piece.
    pub sections: u32,
    /// Weight of one.
    pub mass: Mass,
    /// Thickness of one: cutting does not change it.
    pub thickness: Length,
    /// Fewest and most bones in one, where it is cut between bones.
    pub bones: Option<[u32; 2]>,
    /// One from above.
    pub outline: Outline,
    /// Loads that all of them take.
    pub loads: u32,
}

/// More cuts than this are another dish.
const MOST_SECTIONS: u32 = 6;
/// Bones in a section at least.
const LEAST_BONES: u32 = 2;
/// The shorter side of a section over the longer, at least: less is a strip.
const NARROWEST: f64 = 0.35;

/// The fewest sections that lie in the machine in the fewest loads; nothing where the pieces lie in
/// one load as they are, or are not for cutting.
///
/// ```
/// use ember_model::basket::{GAP, Room, divide};
/// use ember_model::{fryer::Floor, meat::{CutId, cut}, units::{Length, Mass}};
/// let mm = Length::from_millimetres;
/// let room = Room { floor: Floor::Round { diameter: mm(220.0) }, levels: 1, from_top: true, gap: GAP };
/// let rack = divide(cut(CutId::BackRibs), Mass::from_grams(900.0), mm(20.0), 1, room).unwrap();
/// // Thirteen bones in the fewest sections that lie in the drum.
/// assert_eq!(rack.bones.unwrap()[1], 13_u32.div_ceil(rack.sections));
/// assert!(divide(cut(CutId::PorkChop), Mass::from_grams(200.0), mm(25.0), 2, room).is_none());
/// ```
#[must_use]
pub fn divide(
    cut: &Cut,
    mass: Mass,
    thickness: Length,
    pieces: u32,
    room: Room,
) -> Option<Division> {
    let dividing = cut.dividing?;
    let whole = whole(cut, mass, thickness);
    let bones = match dividing {
        Dividing::BetweenBones { per_bone, .. } => {
            Some(((mass.grams() / per_bone.grams()).round() as u32).max(1))
        }
        Dividing::Anywhere => None,
    };
    let most = bones.map_or(MOST_SECTIONS, |bones| {
        (bones / LEAST_BONES).clamp(1, MOST_SECTIONS)
    });
    let mut best: Option<Division> = None;
    for sections in 1..=most {
        let outline = section(whole, sections);
        let [short, long] = [outline.width.millimetres(), outline.length.millimetres()];
        if sections > 1 && short < NARROWEST * long {
            break;
        }
        let shape = Footprint::new(Silhouette::Rectangle, outline);
        if with_gap(&[shape], room.floor, room.gap).is_none() {
            continue;
        }
        let count = (pieces * sections) as usize;
        let loads = trays(&vec![shape; count], room).div_ceil(room.levels.max(1)) as u32;
        if best.is_none_or(|best| loads < best.loads) {
            best = Some(Division {
                sections,
                mass: Mass::from_grams(mass.grams() / f64::from(sections)),
                thickness,
                bones: bones.map(|bones| [bones / sections, bones.div_ceil(sections)]),
                outline,
                loads,
            });
        }
    }
    best.filter(|best| best.sections > 1)
}

/// The whole piece from above.
fn whole(cut: &Cut, mass: Mass, thickness: Length) -> Outline {
    let rho = cut
        .composition
        .with_bone(cut.bone)
        .density(Temperature::from_celsius(20.0));
    lay(cut.form, mass, thickness, rho).1
}

/// One section, where the piece is cut across its longer side into this many.
fn section(whole: Outline, sections: u32) -> Outline {
    let along = Length::from_millimetres(whole.length.millimetres() / f64::from(sections));
    if along < whole.width {
        Outline {
            length: whole.width,
            width: along,
        }
    } else {
        Outline {
            length: along,
            width: whole.width,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::basket::GAP;
    use crate::fryer::Floor;
    use crate::meat::{CutId, cut};

    /// By hand: 1050 kg/m³ or so, 40 mm thick, 1.2 kg: some 286 cm² or 19 by 15 cm as the outline
    /// is rounded; a drum of 22 cm holds no such slab with a finger of air, but two halves.
    #[test]
    fn a_slab_is_halved() {
        let mm = Length::from_millimetres;
        let room = Room {
            floor: Floor::Round {
                diameter: mm(220.0),
            },
            levels: 1,
            from_top: true,
            gap: GAP,
        };
        let belly = cut(CutId::PorkBellySlab);
        let halves = divide(belly, Mass::from_grams(1200.0), mm(40.0), 1, room).unwrap();
        assert!((2..=3).contains(&halves.sections), "{halves:?}");
        let weight = halves.mass.grams() * f64::from(halves.sections);
        assert!((weight - 1200.0).abs() < 1e-9);
        assert!(divide(belly, Mass::from_grams(400.0), mm(40.0), 1, room).is_none());
    }
}
