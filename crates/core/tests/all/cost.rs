//! What a cook costs, in figures that do not depend on the machine: steps, and allocations.

use ember_core::fryer::{Action, Cavity, MachineKind, Rest, Run, Which};
use ember_core::heat::{FaceLaw, Grid, Piece};
use ember_core::meat::{CutId, cut};
use std::fmt::Write;

fn loaded(id: CutId, fine: bool) -> Run {
    let entry = cut(id);
    let [_, mass, _] = entry.usual_mass;
    let thickness = entry.expected_thickness(mass);
    let grid = if fine { Grid::fine } else { Grid::coarse };
    let (piece, _) = Piece::raw(
        entry,
        mass,
        thickness,
        grid,
        FaceLaw::MEAT,
        4.0,
        entry.surface,
    );
    let cavity = Cavity::cold(MachineKind::Drawer, 1500.0, 21.0);
    Run::load(cavity, 21.0, 200.0, piece, 2.0)
}

/// The time loop allocates nothing: cooking, turning, opening, pulling and resting.
#[test]
fn the_time_loop_allocates_nothing() {
    for id in [CutId::BoneInThigh, CutId::Drumstick, CutId::WholeChicken] {
        let mut run = loaded(id, true);
        let counted = allocation_counter::measure(|| {
            run.advance_to(600.0);
            run.perform(&[Action::Turn(Which::All)]);
            run.advance_to(1200.0);
            run.pull(Rest::Open);
            run.advance_to(1500.0);
        });
        assert_eq!(counted.count_total, 0, "{id:?}");
    }
}

/// Cells, faces and steps of an hour: a change of the grid or of the schedule shows here.
#[test]
fn cells_and_steps() {
    let mut table = String::new();
    for id in [
        CutId::Drumstick,
        CutId::BoneInThigh,
        CutId::BeefRoast,
        CutId::WholeChicken,
    ] {
        for fine in [true, false] {
            let mut run = loaded(id, fine);
            let mut steps = 0;
            while run.elapsed() < 3600.0 {
                run.step(3600.0 - run.elapsed());
                steps += 1;
            }
            let grid = run.piece().grid();
            writeln!(
                table,
                "{:<14} {:<6} {:>3} cells {:>2} faces {steps:>4} steps in an hour",
                cut(id).name,
                if fine { "fine" } else { "coarse" },
                grid.cells(),
                grid.patches.len(),
            )
            .unwrap();
        }
    }
    insta::assert_snapshot!(table);
}
