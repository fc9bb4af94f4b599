//! Refusals in words: what is wrong, the bound, and the way out, with the quantities left open.

use super::error::{BELOW_BOILING, PlanError};
use crate::basket::Division;
use crate::units::Quantity::{Length as Long, Mass as Weight, Setting, Temperature as Core, Time};
use crate::units::{Message, Quantity, Temperature};

impl PlanError {
    /// What is wrong and the way out.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::{Request, plan}};
    /// use ember_core::units::{Temperature, TemperatureScale, WeightSystem};
    /// let mut request = Request::usual(CutId::Drumstick, PRESETS[1].machine());
    /// request.target = Temperature::from_celsius(63.0);
    /// let refusal = plan(&request).unwrap_err().message();
    /// assert_eq!(
    ///     refusal.render(TemperatureScale::Fahrenheit, WeightSystem::Imperial),
    ///     "chicken is not planned below 165 °F (USDA); choose 165 °F or more",
    /// );
    /// ```
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::OutOfBounds(error) => error.message(),
            Self::Machine(error) => error.message(),
            Self::BelowPoultryFloor {
                animal,
                floor,
                authority,
            } => Message::with(
                format!("{animal} is not planned below {{}} ({authority}); choose {{}} or more"),
                [Core(*floor), Core(at_least(*floor))],
            ),
            Self::NeedsAcknowledgement {
                animal,
                target,
                floor,
                authority,
            } => Message::with(
                format!(
                    "{{}} is below the {{}} that {authority} gives for whole cuts of {animal}; \
                     confirm that you know this to plan it anyway"
                ),
                [Core(*target), Core(*floor)],
            ),
            Self::NoWaiver {
                target,
                floor,
                authority,
            } => Message::with(
                format!(
                    "{{}} is below the safe minimum of {{}} ({authority}), and somebody at the \
                     table is pregnant, very young, old or ill; choose {{}} or more"
                ),
                [Core(*target), Core(*floor), Core(at_least(*floor))],
            ),
            Self::BelowHandledFloor {
                handling,
                floor,
                authority,
            } => Message::with(
                format!(
                    "meat that is {handling} is not planned below {{}} ({authority}); choose {{}} \
                     or more"
                ),
                [Core(*floor), Core(at_least(*floor))],
            ),
            Self::Clock(over) => Message::with(
                format!(
                    "{}: {{}}, and {{}} are the most; {}",
                    over.clock.words(),
                    over.clock.way_out()
                ),
                [Time(over.time), Time(over.limit)],
            ),
            Self::OutOfReach {
                target, boiling, ..
            } => Message::with(
                "in a kitchen this high water boils at {}: moist meat does not reach {}; choose {} \
                 or less",
                [
                    Core(*boiling),
                    Core(*target),
                    Core(Temperature::from_celsius(
                        (boiling.celsius() - BELOW_BOILING).floor(),
                    )),
                ],
            ),
            Self::NotFromFrozen { why } => {
                Message::plain(format!("{why}; thaw it in the fridge first"))
            }
            Self::NotHandled { cut, handling } => Message::plain(format!(
                "\"{handling}\" is not said of {cut}; choose another"
            )),
            Self::TooTall {
                piece,
                cavity,
                on_its_side,
            } => {
                let mut values = vec![Long(*piece), Long(*cavity)];
                let way_out = on_its_side.map_or("level it or halve it", |side| {
                    values.push(Long(side));
                    "on its side it is {}: turn it, or halve it"
                });
                Message::with(
                    format!("a piece {{}} tall does not fit a space of {{}}; {way_out}"),
                    values,
                )
            }
            Self::TooLarge {
                cut,
                mass,
                outline: [length, width],
                place,
                division,
            } => {
                let mut values = vec![Weight(*mass), Long(*length), Long(*width)];
                let way_out = smaller(*division, &mut values);
                Message::with(
                    format!(
                        "one {cut} of {{}} covers about {{}} by {{}}, more than the floor of \
                         {place}; {way_out}"
                    ),
                    values,
                )
            }
            Self::TooMany {
                cut,
                pieces,
                batches,
                most,
            } => Message::plain(format!(
                "{pieces} {cut} take {batches} batches, more than {most}; take fewer or a larger \
                 machine"
            )),
            Self::LaidOut { laid, pieces } => Message::plain(format!(
                "{laid} of {pieces} pieces are arranged; arrange at least one and no more than \
                 there are"
            )),
            Self::CannotHold { cut, how, reason } => {
                Message::plain(format!("{cut} {how}: {reason}"))
            }
            Self::NotOnTheSpit {
                cut,
                pieces,
                asked: (mass, [length, across]),
                spit,
            } => Message::with(
                format!(
                    "{pieces} {cut} on the spit weigh {{}}, are {{}} long and {{}} across; this \
                     spit takes {{}}, {{}} and {{}}; take a smaller piece, or lay it on a rack"
                ),
                [
                    Weight(*mass),
                    Long(*length),
                    Long(*across),
                    Weight(spit.heaviest),
                    Long(spit.length),
                    Long(spit.diameter),
                ],
            ),
            Self::Weighed { weighed, pieces } => Message::plain(format!(
                "{weighed} weights for {pieces} pieces; weigh every piece, or say one weight for all"
            )),
            Self::NoSuchLevel { asked, there } => Message::plain(format!(
                "there is no level {asked} that such a piece fits on, only {there}; choose another"
            )),
            Self::Split { split, pieces } => Message::plain(format!(
                "{split} of {pieces} pieces are divided into batches; divide them all"
            )),
            Self::ThicknessOfWeight {
                cut,
                thickness,
                mass,
                range: [thin, thick],
            } => Message::with(
                format!(
                    "{{}} thick does not fit {{}}: such a {cut} is {{}} to {{}} thick; check both \
                     numbers"
                ),
                [Long(*thickness), Weight(*mass), Long(*thin), Long(*thick)],
            ),
            Self::NeverReached {
                target,
                setting,
                limit,
                reached,
            } => Message::with(
                "at {} the core stops at {} and does not reach {} within {}; choose a hotter \
                 setting or a lower core",
                [
                    Setting(*setting),
                    Core(*reached),
                    Core(*target),
                    Time(*limit),
                ],
            ),
            Self::AboveCeiling {
                asked,
                ceiling,
                at_asked,
                at_ceiling,
            } => Message::with(
                "this machine goes up to {}, not {}; at {}: {} instead of {}",
                [
                    Setting(*ceiling),
                    Setting(*asked),
                    Setting(*ceiling),
                    Time(*at_ceiling),
                    Time(*at_asked),
                ],
            ),
            Self::BelowLowest { asked, lowest } => Message::with(
                "this machine starts at {}, not {}; choose {} or more",
                [Setting(*lowest), Setting(*asked), Setting(*lowest)],
            ),
            Self::NotOnTheDial { asked, ceiling } => Message::with(
                "this machine goes up to {}, not {}; choose {} or less",
                [Setting(*ceiling), Setting(*asked), Setting(*ceiling)],
            ),
            Self::TakenOut { out, back } => Message::plain(format!(
                "everything is taken out {out} times and put back {back} times; plan both, or \
                 remove both"
            )),
            Self::AfterTheEnd { at, out } => Message::with(
                "something is planned after {}, but everything is out after {}; plan it earlier",
                [Time(*at), Time(*out)],
            ),
        }
    }
}

/// The next whole degree a cook can choose.
fn at_least(floor: Temperature) -> Temperature {
    Temperature::from_celsius(floor.celsius().ceil())
}

/// The way out of a floor that is too small.
fn smaller(division: Option<Division>, values: &mut Vec<Quantity>) -> String {
    let Some(division) = division else {
        return "cut it to fit, or take a larger machine".to_owned();
    };
    values.push(Weight(division.mass));
    let sections = division.sections;
    match division.bones {
        Some([fewest, most]) if fewest == most => format!(
            "cut it between the bones into {sections} sections of {most} bones, about {{}} each"
        ),
        Some([fewest, most]) => format!(
            "cut it between the bones into {sections} sections of {fewest} or {most} bones, about \
             {{}} each"
        ),
        None => format!("cut it into {sections} pieces of about {{}}"),
    }
}
