//! Check 3 of the heat model over everything there is: heat and water balances of every cut, in every
//! kind of machine, under every surface, however it is held.

use ember_core::fryer::{Action, Cavity, MachineKind, Rest, Run, Spot, Support, Which};
use ember_core::heat::{FaceLaw, Grid, Piece};
use ember_core::meat::{CATALOGUE, Cut, Surface};

const ROOM: f64 = 21.0;
const START: f64 = 4.0;

/// Twenty minutes in the machine, turned at twelve, then five minutes of rest.
fn cooked(cut: &Cut, kind: MachineKind, surface: Surface, support: Support) -> (f64, Run) {
    let [_, mass, _] = cut.usual_mass;
    let thickness = cut.expected_thickness(mass);
    let (piece, _) = Piece::raw(
        cut,
        mass,
        thickness,
        Grid::coarse,
        FaceLaw::MEAT,
        START,
        surface,
    );
    let before = piece.heat_above_zero();
    let cavity = Cavity::cold(kind, 1600.0, ROOM).holding(support);
    let spot = Spot {
        gap: 0.06,
        ..Spot::default()
    };
    let mut run = Run::load(cavity, ROOM, 185.0, piece, f64::from(cut.usual_pieces)).at(spot);
    run.advance_to(720.0);
    run.perform(&[Action::Turn(Which::All)]);
    run.advance_to(1200.0);
    run.pull(Rest::Open);
    run.advance_to(1500.0);
    (before, run)
}

fn balances(cut: &Cut, kind: MachineKind, surface: Surface, support: Support) {
    let name = format!("{} / {} / {surface:?} / {support:?}", cut.name, kind.id());
    let (before, run) = cooked(cut, kind, surface, support);
    let piece = run.piece();
    let passed = run.exchanged();

    // Water: what left through the faces is what left the load.
    let through: f64 = piece
        .grid()
        .patches
        .iter()
        .zip(piece.faces())
        .map(|(patch, face)| patch.area * face.lost)
        .sum();
    assert!((through - passed.water).abs() < 1e-9, "{name}: water");
    let [_, mass, _] = cut.usual_mass;
    assert!(passed.water < mass.kilograms(), "{name}: all water");

    // Heat: what came in is in the piece, evaporated water, or left with it.
    let kept = piece.heat_above_zero() - before;
    let miss = (passed.given - passed.latent - passed.carried - kept).abs();
    assert!(
        miss < 1e-3 * passed.given,
        "{name}: {miss:.1} J of {:.0}",
        passed.given
    );

    // Range.
    assert!(
        piece.coldest() > START - 0.5 && piece.hottest() < 236.0,
        "{name}"
    );
}

#[test]
fn every_cut_in_every_machine_under_every_surface() {
    for cut in CATALOGUE {
        for kind in MachineKind::ALL {
            for surface in Surface::USUAL {
                balances(cut, kind, surface, Support::Basket);
            }
        }
    }
}

#[test]
fn every_cut_however_it_is_held() {
    for cut in CATALOGUE {
        for support in Support::ALL {
            balances(cut, MachineKind::OvenStyle, Surface::PATTED_DRY, support);
        }
    }
}

/// A roast cooked low, rested and put back hot: the surface colours, the core hardly notices
/// (common practice: that is what a hot finish after the rest is for).
#[test]
fn a_rested_piece_put_back_gets_its_colour() {
    let cut = ember_core::meat::cut(ember_core::meat::CutId::BeefRoast);
    let [_, mass, _] = cut.usual_mass;
    let thickness = cut.expected_thickness(mass);
    let (law, surface) = (FaceLaw::MEAT, Surface::RUBBED);
    let (piece, _) = Piece::raw(cut, mass, thickness, Grid::coarse, law, START, surface);
    let cavity = Cavity::cold(MachineKind::OvenStyle, 1600.0, ROOM);
    let mut run = Run::load(cavity, ROOM, 120.0, piece, 1.0);
    run.advance_to(75.0 * 60.0);
    run.pull(Rest::Tented);
    run.advance_to(85.0 * 60.0);
    let (core, colour) = (run.piece().core(), run.piece().upper().browning);
    run.put_back(230.0);
    run.advance_to(93.0 * 60.0);
    assert!(run.piece().upper().browning > 3.0 * colour + 1.0);
    assert!((run.piece().core() - core).abs() < 8.0);
}
