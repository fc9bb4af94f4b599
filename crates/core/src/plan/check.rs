//! Checks of a request that need no computation: bounds, and what makes no physical sense.

use super::error::{BELOW_BOILING, PlanError};
use super::loading::lay::{at_once, density, lying, shapes};
use super::loading::levels::{levels, room};
use super::loading::{division, on_spit};
use super::request::{Finish, LoadRule, PlannedAction, Programme, Request, Start, When};
use crate::basket::{Placed, Tie, trays};
use crate::doneness::Handling;
use crate::fryer::{Action, Support};
use crate::geometry::{Body, lay};
use crate::meat::water::{boiling, pressure_at};
use crate::meat::{Class, Form, Layer};
use crate::prep::{Ahead, check_clocks};
use crate::units::bounds;
use crate::units::{Interval, Length, Temperature};

/// More batches than this one after the other are no supper.
const MOST_BATCHES: usize = 8;

impl Request {
    /// Checks every parameter and every rule that needs no computation.
    ///
    /// # Errors
    /// The first [`PlanError`] in the order of the sentence.
    pub fn check(&self) -> Result<(), PlanError> {
        bounds::PIECES.check(f64::from(self.pieces))?;
        bounds::PIECE_MASS.check(self.mass.grams())?;
        bounds::THICKNESS.check(self.thickness_used().millimetres())?;
        if self.start == Start::Frozen {
            self.check_frozen()?;
        } else {
            bounds::START.check(self.start_temperature().celsius())?;
        }
        bounds::ROOM.check(self.room.celsius())?;
        self.check_ahead()?;
        bounds::SETTING.check(self.setting_used().celsius())?;
        bounds::CORE_TARGET.check(self.target.celsius())?;
        if let Some(out) = self.out_at {
            bounds::CORE_TARGET.check(out.celsius())?;
        }
        bounds::GAP.check(self.gap.millimetres())?;
        self.check_meat()?;
        self.check_weights()?;
        self.machine.check()?;
        self.check_dial(self.setting_used(), true)?;
        self.check_programme()?;
        self.check_finish()?;
        self.known.check()?;
        self.check_support()?;
        self.check_piece()?;
        self.check_height()?;
        self.check_loads()?;
        self.check_floor()
    }

    /// Only pieces that are safe soon enough are cooked from frozen (common practice; the guidance of
    /// agencies, from memory).
    fn check_frozen(&self) -> Result<(), PlanError> {
        /// A usual weight from which a piece is a joint, g.
        const JOINT: f64 = 600.0;
        let entry = self.entry();
        let [_, usual, _] = entry.usual_mass;
        let why = if entry.class == Class::WholeBird {
            "a whole bird is done outside long before its inside is safe"
        } else if usual.grams() >= JOINT || matches!(entry.form, Form::Bar if !entry.skin) {
            "a joint is done outside long before its inside is safe"
        } else if self.handling != Handling::Plain {
            "from the freezer, minced, rolled, pierced or stuffed meat is not safe inside soon enough"
        } else if self.surface.has(Layer::Crumb) {
            "raw breaded meat browns long before its inside is safe, unless its package says otherwise"
        } else if !self.ahead.is_empty() {
            "frozen meat cannot be prepared ahead"
        } else {
            return Ok(());
        };
        Err(PlanError::NotFromFrozen { why })
    }

    fn check_ahead(&self) -> Result<(), PlanError> {
        bounds::AHEADS.check(self.ahead.len() as f64)?;
        let stages = self.stages();
        for ahead in &stages {
            let bound = match ahead {
                Ahead::Counter(_) if Ahead::is_hot(self.room) => bounds::HOT_COUNTER,
                Ahead::Counter(_) => bounds::COUNTER,
                Ahead::Parboil(_) => bounds::PARBOIL,
                Ahead::Blot | Ahead::Uncovered(_) | Ahead::Covered(_) => bounds::AHEAD,
            };
            bound.check(ahead.time().seconds())?;
        }
        let poultry = self.entry().animal.is_poultry();
        let none = Interval::from_seconds(0.0);
        check_clocks(&stages, none, poultry, self.room).map_err(PlanError::Clock)
    }

    /// What was said of the cut, and what the kitchen's height leaves within reach.
    fn check_meat(&self) -> Result<(), PlanError> {
        let entry = self.entry();
        if !self.handling.applies(entry) {
            return Err(PlanError::NotHandled {
                cut: entry.noun(self.pieces),
                handling: self.handling.words(),
            });
        }
        bounds::ALTITUDE.check(self.altitude.metres())?;
        bounds::THERMOMETER_OFFSET.check(self.thermometer.offset.kelvins())?;
        let boiling = boiling(pressure_at(self.altitude));
        let target = self.out_at.map_or(self.target, |out| {
            if out > self.target { out } else { self.target }
        });
        if target.celsius() > boiling - BELOW_BOILING {
            return Err(PlanError::OutOfReach {
                target,
                altitude: self.altitude,
                boiling: Temperature::from_celsius(boiling),
            });
        }
        let split: u32 = self.split.iter().sum();
        if !self.split.is_empty() && split != self.pieces {
            let pieces = self.pieces;
            return Err(PlanError::Split { split, pieces });
        }
        Ok(())
    }

    fn check_weights(&self) -> Result<(), PlanError> {
        let weighed = self.weights.len();
        if weighed != 0 && weighed != self.pieces as usize {
            return Err(PlanError::Weighed {
                weighed,
                pieces: self.pieces,
            });
        }
        for mass in &self.weights {
            bounds::PIECE_MASS.check(mass.grams())?;
            bounds::THICKNESS.check(self.thickness_of(*mass).millimetres())?;
        }
        Ok(())
    }

    fn check_programme(&self) -> Result<(), PlanError> {
        match self.programme {
            Programme::Steady => {}
            Programme::HotStart { setting, time } | Programme::HotFinish { setting, time } => {
                bounds::STAGE_TIME.check(time.seconds())?;
                bounds::STAGE_SETTING.check(setting.celsius())?;
                self.check_dial(setting, false)?;
            }
        }
        bounds::ACTIONS.check(self.actions.len() as f64)?;
        let count = |action: Action| {
            let same = |planned: &&PlannedAction| planned.action == action;
            self.actions.iter().filter(same).count()
        };
        let (out, back) = (count(Action::TakeOut), count(Action::PutBack));
        if out != back {
            return Err(PlanError::TakenOut { out, back });
        }
        for planned in &self.actions {
            match planned.when {
                When::At(at) => bounds::ACTION_AT.check(at.seconds())?,
                When::BeforeEnd(time) => bounds::ACTION_BEFORE_END.check(time.seconds())?,
                When::Share(share) => bounds::ACTION_SHARE.check(share)?,
                When::Golden => 0.0,
                When::Every(apart) => bounds::ACTION_EVERY.check(apart.seconds())?,
            };
            match planned.action {
                Action::Set(setting) => self.check_dial(setting, false)?,
                Action::AddSide(mass) => {
                    bounds::SIDE_MASS.check(mass.grams())?;
                }
                Action::Open(time) => {
                    bounds::DOOR_OPEN.check(time.seconds())?;
                }
                _ => {}
            }
        }
        Ok(())
    }

    fn check_finish(&self) -> Result<(), PlanError> {
        match self.finish {
            Finish::None => {}
            Finish::Pan(time) | Finish::Shred(time) => {
                bounds::FINISH.check(time.seconds())?;
            }
            Finish::Crisp { setting, time } => {
                bounds::FINISH.check(time.seconds())?;
                self.check_dial(setting, false)?;
            }
        }
        Ok(())
    }

    /// A setting that must be on the dial; of the main one above it the plan itself tells what to
    /// do instead.
    fn check_dial(&self, asked: Temperature, main: bool) -> Result<(), PlanError> {
        bounds::SETTING.check(asked.celsius())?;
        let asked = self.machine.on_dial(asked);
        if asked < self.machine.lowest {
            return Err(PlanError::BelowLowest {
                asked,
                lowest: self.machine.lowest,
            });
        }
        if asked > self.machine.highest && !main {
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
        let density = density(self);
        let laid = |thickness: Length| lay(self.form(), self.mass, thickness, density);
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
        if area > self.machine.floor.area() && !self.support.turns_itself() {
            return Err(PlanError::TooLarge {
                cut: entry.name,
                mass: self.mass,
                outline: [outline.length, outline.width],
                place: self.machine.name.clone(),
                division: division(self, 1),
            });
        }
        Ok(())
    }

    /// Whether a piece fits under the guard, on some rack or on the floor.
    fn check_height(&self) -> Result<(), PlanError> {
        let levels = levels(self);
        if let (Some(asked), true) = (self.rack, levels.is_empty()) {
            let (height, thickness) = (self.machine.height, self.thickness_of(self.heaviest()));
            let fits = |rack: &&Length| rack.metres() + thickness.metres() <= height.metres();
            let there = self.machine.racks.iter().filter(fits).count();
            if there > 0 {
                return Err(PlanError::NoSuchLevel { asked, there });
            }
        }
        if !levels.is_empty() {
            return Ok(());
        }
        let heaviest = self.heaviest();
        let (_, outline) = lying(self, heaviest, density(self));
        let floor = match (self.support, self.machine.racks.first()) {
            (Support::Rack, Some(lowest)) => lowest.millimetres(),
            _ => 0.0,
        };
        let cavity = Length::from_millimetres(self.machine.height.millimetres() - floor);
        Err(PlanError::TooTall {
            piece: self.thickness_of(heaviest),
            cavity,
            on_its_side: Some(outline.width).filter(|width| *width <= cavity),
        })
    }

    /// Whether the pieces can be divided into a few loads.
    fn check_loads(&self) -> Result<(), PlanError> {
        let levels = levels(self).len();
        if let Some(placed) = &self.layout {
            return self.check_layout(placed, levels);
        }
        if self.load == LoadRule::AllAtOnce {
            return Ok(());
        }
        let density = density(self);
        let batches = match at_once(self, density) {
            Some(at_once) => (self.pieces as usize).div_ceil(at_once),
            None => trays(&shapes(self, density), room(self, levels)).div_ceil(levels.max(1)),
        };
        if batches > MOST_BATCHES {
            return Err(PlanError::TooMany {
                cut: self.entry().noun(self.pieces),
                pieces: self.pieces,
                batches: batches as u32,
                most: MOST_BATCHES as u32,
            });
        }
        Ok(())
    }

    /// Whether the cook's own layout is one of these pieces, somewhere on the floor.
    fn check_layout(&self, placed: &[Placed], levels: usize) -> Result<(), PlanError> {
        let laid = u32::try_from(placed.len()).unwrap_or(u32::MAX);
        if laid == 0 || laid > self.pieces {
            return Err(PlanError::LaidOut {
                laid,
                pieces: self.pieces,
            });
        }
        for place in placed {
            bounds::PLACE.check(place.pose.x)?;
            bounds::PLACE.check(place.pose.y)?;
            bounds::TURNED.check(place.pose.angle)?;
            bounds::TRAY.check(place.batch as f64 + 1.0)?;
            if place.level >= levels {
                return Err(PlanError::NoSuchLevel {
                    asked: place.level + 1,
                    there: levels,
                });
            }
        }
        Ok(())
    }

    fn check_support(&self) -> Result<(), PlanError> {
        /// Lighter pieces do not stay on a spit; heavier ones do not tumble, g (common practice).
        const LEAST_ON_A_SPIT: f64 = 300.0;
        const MOST_TUMBLING: f64 = 150.0;
        let machine = &self.machine;
        let reason = match self.support {
            Support::Spit if machine.spit.is_none() => {
                Some("this machine has no spit; lay the meat down, or describe the spit in Kitchen")
            }
            Support::TumblingBasket if machine.tumbler.is_none() => Some(
                "this machine has no tumbling basket; lay the pieces down, or describe the basket \
                 in Kitchen",
            ),
            Support::Spit if self.mass.grams() < LEAST_ON_A_SPIT => {
                Some("pieces below 300 g do not hold on the forks; lay them on a rack")
            }
            Support::TumblingBasket if self.mass.grams() > MOST_TUMBLING => {
                Some("pieces above 150 g do not tumble; lay them on a rack and turn them")
            }
            Support::TumblingBasket if self.surface.has(Layer::Crumb) => {
                Some("the crumb falls off; lay the pieces on a rack and spray them")
            }
            _ => None,
        };
        let cut = self.entry().noun(self.pieces);
        if let Some(reason) = reason {
            return Err(PlanError::CannotHold {
                cut,
                how: self.support.words(),
                reason,
            });
        }
        let Some(spit) = machine.spit.filter(|_| self.support == Support::Spit) else {
            return Ok(());
        };
        let pieces = match self.load {
            LoadRule::AllAtOnce => self.pieces as usize,
            LoadRule::WithAir => 1,
        };
        // As well tied as can be: what is loose is warned of.
        let refused = on_spit(self, pieces, Tie::Tight).filter(|roast| {
            roast.mass > spit.heaviest
                || roast.length > spit.length
                || roast.diameter > spit.diameter
        });
        refused.map_or(Ok(()), |roast| {
            Err(PlanError::NotOnTheSpit {
                cut,
                pieces,
                asked: (roast.mass, [roast.length, roast.diameter]),
                spit,
            })
        })
    }

    /// Checks a new target for a running cook against the rules for a new plan.
    ///
    /// ```
    /// use ember_core::{fryer::PRESETS, meat::CutId, plan::Request, units::Temperature};
    /// let breast = Request::usual(CutId::BonelessBreast, PRESETS[1].machine());
    /// assert!(breast.check_aim(Temperature::from_celsius(50.0)).is_err());
    /// assert!(breast.check_aim(Temperature::from_celsius(78.0)).is_ok());
    /// ```
    ///
    /// # Errors
    /// The target is below the minimum of its class, and that was not waived.
    pub fn check_aim(&self, core: Temperature) -> Result<(), PlanError> {
        bounds::CORE_TARGET.check(core.celsius())?;
        let aimed = Self {
            target: core,
            out_at: None,
            ..self.clone()
        };
        aimed.check_floor()
    }

    /// The allowed target nearest to a requested one: the requested one, or the minimum of the class.
    #[must_use]
    pub fn allowed_aim(&self, core: Temperature) -> Temperature {
        match (self.check_aim(core), self.floor().core) {
            (Err(_), Some(least)) if core < least => least,
            _ => core,
        }
    }

    fn check_floor(&self) -> Result<(), PlanError> {
        let limits = self.floor();
        let Some(floor) = limits.core.filter(|_| self.is_below_floor()) else {
            return Ok(());
        };
        let authority = limits.authority;
        let target = self.out_at.unwrap_or(self.target);
        let animal = self.entry().animal;
        if animal.is_poultry() {
            Err(PlanError::BelowPoultryFloor {
                animal: animal.word(),
                floor,
                authority,
            })
        } else if self.vulnerable {
            Err(PlanError::NoWaiver {
                target,
                floor,
                authority,
            })
        } else if self.handling != Handling::Plain {
            // The waiver is for whole cuts, whose inside was never outside.
            Err(PlanError::BelowHandledFloor {
                handling: self.handling.words(),
                floor,
                authority,
            })
        } else if self.below_floor_acknowledged {
            Ok(())
        } else {
            Err(PlanError::NeedsAcknowledgement {
                animal: animal.word(),
                target,
                floor,
                authority,
            })
        }
    }
}
