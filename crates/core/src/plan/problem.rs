//! A request made ready for the solver, and single cooks of it.

use std::sync::Arc;

use super::error::PlanError;
use super::request::{LoadRule, Programme, Request, SauceRule, TurnRule};
use crate::basket::{Footprint, Layer, batches, by_hand, crowded, layers};
use crate::fryer::{Action, Cavity, OPENING, Pace, Rest, Run, Support};
use crate::geometry::{Outline, lay};
use crate::heat::{FaceLaw, Grid, Piece};
use crate::meat::Material;
use crate::units::{Density, Interval, Length, Temperature};

/// No cook is planned longer than this.
pub const LONGEST: Interval = Interval::from_minutes(240.0);
/// Pieces as heavy as this rest under a tent, g (common practice: roasts are tented).
pub const TENTED_FROM: f64 = 600.0;
/// The surface is waited for no longer than this share of the time the core needs, plus
/// [`PATIENCE_EXTRA`]; a cook would rather serve it paler than dry.
const PATIENCE: f64 = 2.0;
const PATIENCE_EXTRA: f64 = 300.0;

/// What may differ from the request in a what-if.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Variation {
    /// Factor on the thickness.
    pub thickness: f64,
    /// Added to the start temperature, K.
    pub start: f64,
    /// Factor on the heat the air carries.
    pub heat: f64,
    /// Added to the setting, K.
    pub setting: f64,
    /// Factor on how freely the air reaches the pieces.
    pub exposure: f64,
}

impl Variation {
    /// As requested.
    pub const NONE: Self = Self {
        thickness: 1.0,
        start: 0.0,
        heat: 1.0,
        setting: 0.0,
        exposure: 1.0,
    };

    /// Both at once.
    pub fn and(self, other: Self) -> Self {
        Self {
            thickness: self.thickness * other.thickness,
            start: self.start + other.start,
            heat: self.heat * other.heat,
            setting: self.setting + other.setting,
            exposure: self.exposure * other.exposure,
        }
    }
}

/// What is done in a cook at moments that the search decides, s after loading.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Moments {
    /// The turn.
    pub turn: Option<f64>,
    /// The hot finish.
    pub finish: Option<f64>,
    /// Sauce for the last minutes.
    pub sauce: Option<f64>,
}

/// What must hold before the pieces come out.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Goal {
    /// Core on the thermometer, °C.
    pub core: f64,
    /// How long it must have been there, s.
    pub hold: f64,
    /// Amount of browning of the paler face that counts.
    pub browning: f64,
}

/// A request made ready for the solver.
pub struct Problem<'a> {
    /// The request.
    pub request: &'a Request,
    /// How the pieces share the floor.
    pub layer: Layer,
    /// Outline of one piece.
    pub outline: Outline,
    /// Whether the machine is hot when the first batch goes in.
    pub preheated: bool,
    material: Arc<Material>,
    setting: f64,
}

/// The moment a cook is ready.
pub struct Ready {
    /// The run at the end of the step in which it became ready.
    pub run: Run,
    /// When within that step, s.
    pub at: f64,
}

/// When a value first rises to a limit, between steps linearly.
struct Crossing {
    limit: f64,
    last: Option<(f64, f64)>,
    at: Option<f64>,
}

impl Crossing {
    fn new(limit: f64) -> Self {
        Self {
            limit,
            last: None,
            at: None,
        }
    }

    fn see(&mut self, now: f64, value: f64) {
        if self.at.is_none() && value >= self.limit {
            self.at = Some(match self.last {
                Some((before, below)) if value > below => {
                    before + (self.limit - below) / (value - below) * (now - before)
                }
                _ => now,
            });
        }
        self.last = Some((now, value));
    }
}

/// How finely a cook is computed.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Resolution {
    /// What is shown.
    Fine,
    /// What is searched with.
    Coarse,
}

/// How the pieces share the floor: as the cook laid them, or as the rule of loading says.
fn layer(request: &Request, outline: Outline) -> Layer {
    let footprint = Footprint::new(request.entry().silhouette, outline);
    let (floor, pieces) = (request.machine.floor, request.pieces);
    match (&request.layout, request.load) {
        (Some(poses), _) => by_hand(&footprint, floor, pieces, poses.clone()),
        (None, LoadRule::WithAir) => layers(&footprint, floor, pieces),
        (None, LoadRule::AllAtOnce) => crowded(&footprint, floor, pieces),
    }
}

impl<'a> Problem<'a> {
    /// Lays the pieces out; the request must have been checked.
    pub fn new(request: &'a Request) -> Self {
        let entry = request.entry();
        let material = Material::of(entry.composition.with_bone(entry.bone));
        let density = Density::from_kilograms_per_cubic_metre(material.density());
        let (_, outline) = lay(entry.form, request.mass, request.thickness_used(), density);
        Self {
            request,
            layer: layer(request, outline),
            outline,
            preheated: request.preheats(),
            material: Arc::new(material),
            setting: request.setting_used().celsius(),
        }
    }

    /// Batches that keep air around each piece.
    pub fn batches_with_air(&self) -> u32 {
        let request = self.request;
        batches(&self.layer.footprint, request.machine.floor, request.pieces)
    }

    /// The same at another setting, whether the machine can or not.
    pub fn at_setting(&self, setting: Temperature) -> Self {
        Self {
            request: self.request,
            layer: self.layer.clone(),
            outline: self.outline,
            preheated: self.preheated,
            material: Arc::clone(&self.material),
            setting: setting.celsius(),
        }
    }

    /// The machine as the first batch meets it.
    pub fn first_cavity(&self) -> Cavity {
        if self.preheated {
            let (mut cavity, _) = Run::preheat(self.cold_cavity(), self.first_setting());
            cavity.open(OPENING);
            cavity
        } else {
            self.cold_cavity()
        }
    }

    fn cold_cavity(&self) -> Cavity {
        let machine = &self.request.machine;
        let room = self.request.room.celsius();
        let above = machine.height.metres() - self.request.thickness_used().metres();
        let gap = if self.request.support == Support::Spit {
            above / 2.0
        } else {
            above
        };
        Cavity::cold(machine.kind, machine.power.watts(), room).holding(self.request.support, gap)
    }

    /// The dial when the meat goes in, °C.
    fn first_setting(&self) -> f64 {
        match self.request.programme {
            Programme::HotStart { setting, .. } => setting.celsius(),
            Programme::Steady | Programme::HotFinish { .. } => self.setting,
        }
    }

    /// The machine as a batch leaves it to the next.
    pub fn next_cavity(&self, after: &Run) -> Cavity {
        let mut cavity = *after.cavity();
        cavity.open(OPENING);
        cavity
    }

    /// Minutes the empty machine needs.
    pub fn preheat_time(&self) -> Interval {
        let (_, seconds) = Run::preheat(self.cold_cavity(), self.first_setting());
        Interval::from_seconds(seconds)
    }

    /// Loads a batch.
    pub fn load(
        &self,
        cavity: Cavity,
        pieces: u32,
        resolution: Resolution,
        variation: Variation,
    ) -> Run {
        let request = self.request;
        let entry = request.entry();
        let density = Density::from_kilograms_per_cubic_metre(self.material.density());
        let thickness =
            Length::from_millimetres(request.thickness_used().millimetres() * variation.thickness);
        let (body, _) = lay(entry.form, request.mass, thickness, density);
        let (grid, pace) = match resolution {
            Resolution::Fine => (Grid::fine(body), Pace::Fine),
            Resolution::Coarse => (Grid::coarse(body), Pace::Brisk),
        };
        let piece = Piece::new(
            Arc::new(grid),
            Arc::clone(&self.material),
            FaceLaw::MEAT,
            request.start.temperature().celsius() + variation.start,
            request.coat.start(),
        );
        let one = request.mass.kilograms() / (self.material.density() * body.volume());
        Run::load(
            cavity.with_heat(variation.heat),
            request.room.celsius(),
            self.first_setting() + variation.setting,
            piece,
            f64::from(pieces) * one,
        )
        .with_exposure(self.layer.exposure() * variation.exposure)
        .with_pace(pace)
    }

    /// What the target means at the thermometer when nothing is left to the rest.
    pub fn goal(&self) -> Goal {
        let floor = self.request.floor();
        // Where the guidance asks for a time at the floor, a target above it has had that time.
        let at_floor = floor
            .core
            .is_some_and(|core| (self.request.target - core).kelvins() < 2.0);
        Goal {
            core: self.request.target.celsius(),
            hold: if at_floor { floor.hold.seconds() } else { 0.0 },
            browning: self.request.least_browning().least(),
        }
    }

    /// How the pieces rest.
    pub fn rest(&self) -> Rest {
        if self.request.mass.grams() >= TENTED_FROM {
            Rest::Tented
        } else {
            Rest::Open
        }
    }

    /// The browning that counts: of the paler face, or of the upper face if the pieces are not
    /// turned.
    pub fn browning(&self, run: &Run) -> f64 {
        let upper = run.piece().upper().browning;
        match self.request.turn {
            TurnRule::Never => upper,
            _ if self.request.support.turns_itself() => upper,
            TurnRule::EqualBrowning | TurnRule::HalfWay => upper.min(run.piece().lower().browning),
        }
    }

    /// Everything that is done in a cook, in order of time.
    fn script(&self, moments: Moments, variation: Variation) -> Vec<(f64, Action)> {
        let dial =
            |celsius: f64| Action::Set(Temperature::from_celsius(celsius + variation.setting));
        let mut script: Vec<(f64, Action)> = self
            .request
            .actions
            .iter()
            .map(|timed| {
                let action = match timed.action {
                    Action::Set(setting) => dial(setting.celsius()),
                    other => other,
                };
                (timed.at.seconds(), action)
            })
            .collect();
        script.extend(moments.turn.map(|at| (at, Action::Turn)));
        // Sauce wets the surface, which must dry again before it browns.
        script.extend(moments.sauce.map(|at| (at, Action::Baste)));
        if self.request.sauce == SauceRule::BeforeAndAtTurn {
            script.push((0.0, Action::Baste));
            script.extend(moments.turn.map(|at| (at, Action::Baste)));
        }
        match self.request.programme {
            Programme::Steady => {}
            Programme::HotStart { time, .. } => script.push((time.seconds(), dial(self.setting))),
            Programme::HotFinish { setting, .. } => {
                script.extend(moments.finish.map(|at| (at, dial(setting.celsius()))));
            }
        }
        script.sort_by(|a, b| a.0.total_cmp(&b.0));
        script
    }

    /// Cooks for so many seconds, doing what is to be done on the way.
    pub fn follow(&self, run: &mut Run, moments: Moments, seconds: f64) {
        for (at, action) in self.script(moments, Variation::NONE) {
            if at < seconds {
                run.advance_to(at);
                run.perform(action);
            }
        }
        run.advance_to(seconds);
    }

    /// Cooks until the goal is met; `watch` sees every state on the way.
    ///
    /// # Errors
    /// [`PlanError::NeverReached`] when the core is not there after [`LONGEST`].
    pub fn cook(
        &self,
        mut run: Run,
        moments: Moments,
        variation: Variation,
        goal: Goal,
        mut watch: impl FnMut(&Run),
    ) -> Result<Ready, PlanError> {
        let script = self.script(moments, variation);
        let mut ahead = script.as_slice();
        let mut core = Crossing::new(goal.core);
        let mut colour = Crossing::new(goal.browning);
        loop {
            let now = run.elapsed();
            core.see(now, run.piece().core());
            colour.see(now, self.browning(&run));
            let core_at = core.at.map(|at| at + goal.hold).filter(|at| *at <= now);
            if let Some(core_at) = core_at {
                let patience = core_at * PATIENCE + PATIENCE_EXTRA;
                let colour_at = colour.at.unwrap_or(patience);
                let at = core_at.max(colour_at.min(patience));
                if at <= now {
                    return Ok(Ready { run, at });
                }
            }
            if now >= LONGEST.seconds() {
                return Err(PlanError::NeverReached {
                    target: self.request.target,
                    setting: Temperature::from_celsius(self.setting),
                    limit: LONGEST,
                    reached: Temperature::from_celsius(run.piece().core()),
                });
            }
            while let [(at, action), rest @ ..] = ahead
                && *at <= now + 1e-9
            {
                run.perform(*action);
                ahead = rest;
            }
            let limit = ahead.first().map_or(f64::INFINITY, |(at, _)| at - now);
            run.step(limit);
            watch(&run);
        }
    }
}
