//! Checks of a request that need no computation: bounds, and what makes no physical sense.

use super::error::PlanError;
use super::request::{LoadRule, Programme, Request};
use crate::basket::{Footprint, Pose, batches};
use crate::fryer::{self, Action, MachineKind, Support};
use crate::geometry::{Body, lay};
use crate::meat::Coat;
use crate::units::bounds;
use crate::units::{Density, Length, Temperature};

/// More batches than this one after the other are no supper.
const MOST_BATCHES: u32 = 8;

impl Request {
    /// Checks every parameter and every rule that needs no computation.
    ///
    /// # Errors
    /// The first [`PlanError`] in the order of the sentence.
    pub fn check(&self) -> Result<(), PlanError> {
        bounds::PIECES.check(f64::from(self.pieces))?;
        bounds::PIECE_MASS.check(self.mass.grams())?;
        bounds::THICKNESS.check(self.thickness_used().millimetres())?;
        bounds::START.check(self.start.temperature().celsius())?;
        bounds::ROOM.check(self.room.celsius())?;
        bounds::SETTING.check(self.setting_used().celsius())?;
        bounds::CORE_TARGET.check(self.target.celsius())?;
        self.check_machine()?;
        self.check_programme()?;
        self.check_piece()?;
        self.check_support()?;
        self.check_floor()
    }

    fn check_programme(&self) -> Result<(), PlanError> {
        match self.programme {
            Programme::Steady => {}
            Programme::HotStart { setting, time } | Programme::HotFinish { setting, time } => {
                bounds::STAGE_TIME.check(time.seconds())?;
                bounds::STAGE_SETTING.check(setting.celsius())?;
                self.check_dial(setting)?;
            }
        }
        bounds::ACTIONS.check(self.actions.len() as f64)?;
        for timed in &self.actions {
            bounds::ACTION_AT.check(timed.at.seconds())?;
            match timed.action {
                Action::Set(setting) => self.check_dial(setting)?,
                Action::AddSide(mass) => {
                    bounds::SIDE_MASS.check(mass.grams())?;
                }
                Action::Open(time) => {
                    bounds::DOOR_OPEN.check(time.seconds())?;
                }
                Action::Turn | Action::Baste | Action::SwapRacks => {}
            }
        }
        Ok(())
    }

    /// A setting on the way, which must be on the dial.
    fn check_dial(&self, asked: Temperature) -> Result<(), PlanError> {
        bounds::SETTING.check(asked.celsius())?;
        if asked < self.machine.lowest {
            return Err(PlanError::BelowLowest {
                asked,
                lowest: self.machine.lowest,
            });
        }
        if asked > self.machine.highest {
            return Err(PlanError::NotOnTheDial {
                asked,
                ceiling: self.machine.highest,
            });
        }
        Ok(())
    }

    /// Whether weight and thickness make a body, and whether that lies on the floor.
    fn check_piece(&self) -> Result<(), PlanError> {
        /// The narrow side of a piece as it lies over its thickness: less is standing on edge.
        const NARROWEST: f64 = 0.5;
        /// The long side of any piece.
        const LONGEST_PIECE: f64 = 600.0;
        let entry = self.entry();
        let density = Density::from_kilograms_per_cubic_metre(
            entry
                .composition
                .with_bone(entry.bone)
                .density(Temperature::from_celsius(20.0))
                .kilograms_per_cubic_metre(),
        );
        let laid = |thickness: Length| lay(entry.form, self.mass, thickness, density);
        let lies = |thickness: Length| {
            let (body, outline) = laid(thickness);
            let narrow = match body {
                Body::Bar { length, .. } | Body::Tube { length, .. } => length * 1e3,
                Body::Disc { .. } | Body::Sphere { .. } => outline.width.millimetres(),
            };
            narrow >= NARROWEST * thickness.millimetres()
                && outline.length.millimetres() <= LONGEST_PIECE
        };
        let thickness = self.thickness_used();
        if !lies(thickness) {
            let possible = || {
                (1..=200)
                    .map(|mm| Length::from_millimetres(f64::from(mm)))
                    .filter(|t| lies(*t))
            };
            return Err(PlanError::ThicknessOfWeight {
                cut: entry.name,
                thickness,
                mass: self.mass,
                range: [
                    possible().next().unwrap_or(thickness),
                    possible().next_back().unwrap_or(thickness),
                ],
            });
        }
        let (_, outline) = laid(thickness);
        let area = outline.length.metres() * outline.width.metres();
        if area > self.machine.floor.area() {
            return Err(PlanError::TooLarge {
                cut: entry.name,
                mass: self.mass,
                outline: [outline.length, outline.width],
                place: self.machine.name.clone(),
            });
        }
        if let Some(poses) = &self.layout {
            return self.check_layout(poses);
        }
        if self.load == LoadRule::AllAtOnce {
            return Ok(());
        }
        let footprint = Footprint::new(entry.silhouette, outline);
        let batches = batches(&footprint, self.machine.floor, self.pieces);
        if batches > MOST_BATCHES {
            return Err(PlanError::TooMany {
                cut: entry.noun(self.pieces),
                pieces: self.pieces,
                batches,
                most: MOST_BATCHES,
            });
        }
        Ok(())
    }

    /// Whether the cook's own layout is one of these pieces, somewhere on the floor.
    fn check_layout(&self, poses: &[Pose]) -> Result<(), PlanError> {
        let laid = u32::try_from(poses.len()).unwrap_or(u32::MAX);
        if laid == 0 || laid > self.pieces {
            return Err(PlanError::LaidOut {
                laid,
                pieces: self.pieces,
            });
        }
        for pose in poses {
            bounds::PLACE.check(pose.x)?;
            bounds::PLACE.check(pose.y)?;
            bounds::TURNED.check(pose.angle)?;
        }
        Ok(())
    }

    fn check_support(&self) -> Result<(), PlanError> {
        /// Lighter pieces do not stay on a spit; heavier ones do not tumble, g (common practice).
        const LEAST_ON_A_SPIT: f64 = 300.0;
        const MOST_TUMBLING: f64 = 150.0;
        let oven = matches!(
            self.machine.kind,
            MachineKind::OvenStyle | MachineKind::FanOven | MachineKind::StillOven
        );
        let reason = match self.support {
            Support::Spit | Support::TumblingBasket if !oven => {
                Some("it takes an oven style that can turn it; lay the pieces in the basket")
            }
            Support::Spit if self.mass.grams() < LEAST_ON_A_SPIT => {
                Some("pieces below 300 g do not hold on the forks; lay them on a rack")
            }
            Support::TumblingBasket if self.mass.grams() > MOST_TUMBLING => {
                Some("pieces above 150 g do not tumble; lay them on a rack and turn them")
            }
            Support::TumblingBasket if self.coat == Coat::Crumbed => {
                Some("the crumb falls off; lay the pieces on a rack and spray them")
            }
            _ => None,
        };
        reason.map_or(Ok(()), |reason| {
            Err(PlanError::CannotHold {
                cut: self.entry().noun(self.pieces),
                how: self.support.words(),
                reason,
            })
        })
    }

    fn check_machine(&self) -> Result<(), PlanError> {
        let machine = &self.machine;
        bounds::WATTS.check(machine.power.watts())?;
        bounds::CAVITY_HEIGHT.check(machine.height.millimetres())?;
        bounds::SETTING.check(machine.lowest.celsius())?;
        bounds::SETTING.check(machine.highest.celsius())?;
        let sides = match machine.floor {
            fryer::Floor::Round { diameter } => [diameter, diameter],
            fryer::Floor::Rectangular { width, depth } => [width, depth],
        };
        for side in sides {
            bounds::FLOOR.check(side.millimetres())?;
        }
        let asked = self.setting_used();
        if asked < machine.lowest {
            return Err(PlanError::BelowLowest {
                asked,
                lowest: machine.lowest,
            });
        }
        let piece = self.thickness_used();
        if piece > machine.height {
            return Err(PlanError::TooTall {
                piece,
                cavity: machine.height,
            });
        }
        Ok(())
    }

    fn check_floor(&self) -> Result<(), PlanError> {
        let limits = self.floor();
        let Some(floor) = limits.core.filter(|_| self.is_below_floor()) else {
            return Ok(());
        };
        let animal = self.entry().animal;
        if animal.is_poultry() {
            Err(PlanError::BelowPoultryFloor {
                animal: animal.word(),
                floor,
                authority: limits.authority,
            })
        } else if self.below_floor_acknowledged {
            Ok(())
        } else {
            Err(PlanError::NeedsAcknowledgement {
                animal: animal.word(),
                target: self.target,
                floor,
                authority: limits.authority,
            })
        }
    }
}
