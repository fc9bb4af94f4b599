//! Refusals of the core: which code and field they have, and their numbers, so that a client can tell
//! them in the cook's units.

use ember_core::fryer::MachineError;
use ember_core::plan::PlanError;
use ember_core::prep::Clock;

use super::problem::{Code, DivisionDto, Problem};

/// The code of a refusal.
pub(super) const fn code(error: &PlanError) -> Code {
    match error {
        PlanError::OutOfBounds(_) | PlanError::Machine(MachineError::OutOfBounds(_)) => {
            Code::OutOfBounds
        }
        PlanError::Machine(_) => Code::NoSuchMachine,
        PlanError::NotOnTheSpit { .. } => Code::NotOnTheSpit,
        PlanError::Weighed { .. } => Code::Weighed,
        PlanError::NoSuchLevel { .. } => Code::NoSuchLevel,
        PlanError::BelowPoultryFloor { .. } => Code::BelowPoultryFloor,
        PlanError::NeedsAcknowledgement { .. } => Code::NeedsAcknowledgement,
        PlanError::NeverReached { .. } => Code::NeverReached,
        PlanError::TooTall { .. } => Code::TooTall,
        PlanError::AboveCeiling { .. } => Code::AboveCeiling,
        PlanError::BelowLowest { .. } => Code::BelowLowest,
        PlanError::NotOnTheDial { .. } => Code::NotOnTheDial,
        PlanError::ThicknessOfWeight { .. } => Code::ThicknessOfWeight,
        PlanError::TooLarge { .. } => Code::TooLargeAPiece,
        PlanError::TooMany { .. } => Code::TooManyBatches,
        PlanError::CannotHold { .. } => Code::CannotHold,
        PlanError::LaidOut { .. } => Code::LaidOut,
        PlanError::AfterTheEnd { .. } => Code::AfterTheEnd,
        PlanError::NoWaiver { .. } => Code::NoWaiver,
        PlanError::BelowHandledFloor { .. } => Code::BelowHandledFloor,
        PlanError::Clock(_) => Code::ClockOverrun,
        PlanError::NotFromFrozen { .. } => Code::NotFromFrozen,
        PlanError::NotHandled { .. } => Code::NotHandled,
        PlanError::OutOfReach { .. } => Code::OutOfReach,
        PlanError::Split { .. } => Code::Split,
        PlanError::TakenOut { .. } => Code::TakenOut,
    }
}

/// The field that a refusal is about.
pub(super) fn field(error: &PlanError) -> &'static str {
    match error {
        PlanError::OutOfBounds(error) => error.bound.field,
        PlanError::Machine(error) => field_of_machine(error),
        PlanError::NotOnTheSpit { .. } => "support",
        PlanError::Weighed { .. } => "weights_g",
        PlanError::NoSuchLevel { .. } => "rack",
        PlanError::BelowPoultryFloor { .. }
        | PlanError::NeedsAcknowledgement { .. }
        | PlanError::NoWaiver { .. }
        | PlanError::BelowHandledFloor { .. }
        | PlanError::OutOfReach { .. } => "core_target_c",
        PlanError::NeverReached { .. }
        | PlanError::AboveCeiling { .. }
        | PlanError::BelowLowest { .. } => "setting_c",
        PlanError::TooTall { .. } | PlanError::ThicknessOfWeight { .. } => "thickness_mm",
        PlanError::NotOnTheDial { .. } => "programme.stage_setting_c",
        PlanError::TooLarge { .. } => "piece_mass_g",
        PlanError::TooMany { .. } => "pieces",
        PlanError::CannotHold { .. } => "support",
        PlanError::LaidOut { .. } => "layout",
        PlanError::AfterTheEnd { .. } => "actions.at_s",
        PlanError::Clock(over) => match over.clock {
            Clock::Heating => "setting_c",
            Clock::Cooked => "hot_holding",
            Clock::Raw | Clock::Fridge | Clock::PartCooked | Clock::PartCookedFridge => "ahead",
        },
        PlanError::NotFromFrozen { .. } => "start",
        PlanError::NotHandled { .. } => "handling",
        PlanError::Split { .. } => "split",
        PlanError::TakenOut { .. } => "actions",
    }
}

/// The field of a machine that was measured wrong.
fn field_of_machine(error: &MachineError) -> &'static str {
    match error {
        MachineError::OutOfBounds(error) => error.bound.field,
        MachineError::Dial { .. } => "lowest_c",
        MachineError::ElementInTheWay { .. } => "element_mm",
        MachineError::Corner { .. } => "floor_corner_mm",
        MachineError::Rack { .. } => "racks_mm",
        MachineError::SpitTooLong { .. } => "spit_length_mm",
        MachineError::NotInThisKind { .. } => "kind",
    }
}

/// The numbers of a refusal, so that a client can tell them in the cook's units.
pub(super) fn limits(error: &PlanError, problem: &mut Problem) {
    match error {
        PlanError::BelowPoultryFloor { floor, .. } | PlanError::BelowHandledFloor { floor, .. } => {
            problem.min = Some(floor.celsius());
            problem.unit = Some("°C");
        }
        PlanError::NeedsAcknowledgement { target, floor, .. }
        | PlanError::NoWaiver { target, floor, .. } => {
            problem.value = Some(target.celsius());
            problem.min = Some(floor.celsius());
            problem.unit = Some("°C");
        }
        PlanError::AboveCeiling {
            asked,
            ceiling,
            at_asked,
            at_ceiling,
        } => {
            problem.value = Some(asked.celsius());
            problem.max = Some(ceiling.celsius());
            problem.unit = Some("°C");
            problem.equivalent_min = Some([at_asked.minutes(), at_ceiling.minutes()]);
        }
        PlanError::ThicknessOfWeight {
            thickness, range, ..
        } => {
            problem.value = Some(thickness.millimetres());
            problem.min = Some(range[0].millimetres());
            problem.max = Some(range[1].millimetres());
            problem.unit = Some("mm");
        }
        PlanError::NotOnTheDial { asked, ceiling } => {
            problem.value = Some(asked.celsius());
            problem.max = Some(ceiling.celsius());
            problem.unit = Some("°C");
        }
        PlanError::AfterTheEnd { at, out } => {
            problem.value = Some(at.seconds());
            problem.max = Some(out.seconds());
            problem.unit = Some("s");
        }
        PlanError::BelowLowest { asked, lowest } => {
            problem.value = Some(asked.celsius());
            problem.min = Some(lowest.celsius());
            problem.unit = Some("°C");
        }
        PlanError::TooTall { piece, cavity, .. } => {
            problem.value = Some(piece.millimetres());
            problem.max = Some(cavity.millimetres());
            problem.unit = Some("mm");
        }
        PlanError::NeverReached { reached, .. } => {
            problem.value = Some(reached.celsius());
            problem.unit = Some("°C");
        }
        PlanError::Clock(over) => {
            problem.value = Some(over.time.seconds());
            problem.max = Some(over.limit.seconds());
            problem.unit = Some("s");
        }
        PlanError::OutOfReach {
            target, boiling, ..
        } => {
            problem.value = Some(target.celsius());
            problem.max = Some((boiling.celsius() - 1.0).floor());
            problem.unit = Some("°C");
        }
        PlanError::Split { split, pieces } => {
            problem.value = Some(f64::from(*split));
            problem.max = Some(f64::from(*pieces));
        }
        PlanError::LaidOut { laid, pieces } => {
            problem.value = Some(f64::from(*laid));
            problem.max = Some(f64::from(*pieces));
        }
        PlanError::TooMany { pieces, .. } => problem.value = Some(f64::from(*pieces)),
        PlanError::TooLarge { mass, division, .. } => {
            problem.value = Some(mass.grams());
            problem.unit = Some("g");
            problem.division = division.map(DivisionDto::from);
        }
        PlanError::NotOnTheSpit { asked, spit, .. } => {
            problem.value = Some(asked.0.grams());
            problem.max = Some(spit.heaviest.grams());
            problem.unit = Some("g");
        }
        PlanError::Weighed { weighed, pieces } => {
            problem.value = Some(*weighed as f64);
            problem.max = Some(f64::from(*pieces));
        }
        PlanError::NoSuchLevel { asked, there } => {
            problem.value = Some(*asked as f64);
            problem.max = Some(*there as f64);
        }
        PlanError::OutOfBounds(_)
        | PlanError::CannotHold { .. }
        | PlanError::NotFromFrozen { .. }
        | PlanError::NotHandled { .. }
        | PlanError::TakenOut { .. }
        | PlanError::Machine(_) => {}
    }
}
