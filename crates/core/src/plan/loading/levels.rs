//! Where in the machine the pieces of a request lie: its floor, its racks, its drawers.

use crate::basket::Room;
use crate::fryer::{MachineKind, Spot, Support};
use crate::plan::request::Request;
use crate::units::Length;

/// One level pieces can lie on.
#[derive(Debug, Clone, PartialEq)]
pub struct Level {
    /// What the cook calls it.
    pub name: String,
    /// Over the floor of the machine.
    pub height: Length,
    /// From the top of the pieces to whatever is above: the next rack, the guard.
    pub clearance: Length,
}

/// Air needed between the pieces and the rack above them, mm (common practice: a finger).
const BETWEEN_RACKS: f64 = 15.0;
/// A single layer goes on the highest rack that leaves so much to the guard, mm (common practice:
/// two fingers and some).
const BELOW_GUARD: f64 = 40.0;

/// The levels that can be used at once, from below or from the left; none where a piece fits under
/// nothing. Of racks the uppermost comes first into use.
pub fn levels(request: &Request) -> Vec<Level> {
    let machine = &request.machine;
    let thickness = request.thickness_of(request.heaviest()).millimetres();
    let height = machine.height.millimetres();
    let level = |name: String, at: f64, above: f64| Level {
        name,
        height: Length::from_millimetres(at),
        clearance: Length::from_millimetres(above - at - thickness),
    };
    if machine.kind == MachineKind::TwinDrawers {
        return ["left drawer", "right drawer"]
            .map(|name| level(name.to_owned(), 0.0, height))
            .into_iter()
            .filter(|level| level.clearance.millimetres() >= 0.0)
            .collect();
    }
    if request.support != Support::Rack || machine.racks.is_empty() {
        let floor = level("floor".to_owned(), 0.0, height);
        return if floor.clearance.millimetres() >= 0.0 {
            vec![floor]
        } else {
            Vec::new()
        };
    }
    let racks: Vec<(usize, f64)> = machine
        .racks
        .iter()
        .map(|rack| rack.millimetres())
        .enumerate()
        .filter(|(_, at)| at + thickness <= height)
        .collect();
    let top = request.rack.map_or_else(
        || {
            racks
                .iter()
                .rev()
                .find(|(_, at)| at + thickness + BELOW_GUARD <= height)
                .or_else(|| racks.first())
        },
        |asked| racks.iter().find(|(n, _)| n + 1 == asked),
    );
    let Some(&(top, _)) = top else {
        return Vec::new();
    };
    let mut above = height;
    let mut used = Vec::new();
    for (n, at) in racks.into_iter().rev().filter(|(n, _)| *n <= top) {
        let between = if used.is_empty() { 0.0 } else { BETWEEN_RACKS };
        if at + thickness + between <= above {
            used.push(level(format!("rack {}", n + 1), at, above));
            above = at;
        }
    }
    used.reverse();
    used
}

/// The same for the search for a layout.
pub fn room(request: &Request, levels: usize) -> Room {
    Room {
        floor: request.machine.floor,
        levels: levels.max(1),
        from_top: request.machine.kind != MachineKind::TwinDrawers,
        gap: request.gap.millimetres(),
    }
}

/// Where the pieces of a level are for the heat, without their crowding.
pub fn spot(request: &Request, thickness: Length, height: Length, shade: f64) -> Spot {
    let above = request.machine.element.metres() - height.metres() - thickness.metres();
    Spot {
        gap: if request.support == Support::Spit {
            above / 2.0
        } else {
            above
        },
        shade: shade.clamp(0.0, 1.0),
        ..Spot::default()
    }
}
