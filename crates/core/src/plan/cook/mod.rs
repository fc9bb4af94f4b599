//! A request made ready for the solver, and single cooks of it.

mod finish;
pub mod hot_holding;
pub mod outcomes;
mod picture;
mod rest;
mod script;
mod variation;

use std::collections::HashMap;
use std::sync::{Arc, Mutex, PoisonError};

use crate::basket::{Load, Tray};
use crate::doneness::Handling;
use crate::fryer::{Cavity, MachineKind, OPENING, Pace, Rest, Run, Spot, Support};
use crate::geometry::{Body, lay};
use crate::heat::{Face, FaceLaw, Grid, Piece};
use crate::meat::water::pressure_at;
use crate::meat::{Material, Surface, SurfaceStart};
use crate::plan::error::PlanError;
use crate::plan::goals::{Goal, Progress, State};
use crate::plan::loading::lay::{Loads, lay_out};
use crate::plan::loading::levels::spot;
use crate::plan::request::{Programme, Request, Start};
use crate::prep::simulate;
use crate::units::{Density, Interval, Length, Mass, Temperature};
pub use finish::Finished;
pub use picture::{DEPTHS, MOST_COLUMNS, Picture, Recorder, Rested};
pub use rest::{RestOutcome, rest_watched};
pub use script::{Deed, HALF, Timing, mark_of};
pub use variation::Variation;

/// No cook is planned longer than this.
pub const LONGEST: Interval = Interval::from_minutes(240.0);
/// A request made ready for the solver.
pub struct Problem<'a> {
    /// The request.
    pub request: &'a Request,
    /// How the pieces share the machine.
    pub loading: Loads,
    /// Whether the machine is hot when the first batch goes in.
    pub preheated: bool,
    material: Arc<Material>,
    setting: f64,
    /// Pieces that have been through what happens ahead: a night in the fridge is long to compute,
    /// and the same for every cook of the search.
    prepared: Arc<Mutex<HashMap<Prepared, Piece>>>,
}

/// Which piece: its grid, its weight, µg, and its thickness, nm.
type Prepared = (Resolution, u64, u64);

/// The moment a cook is ready.
pub struct Ready {
    /// The run at the end of the step in which it became ready.
    pub run: Run,
    /// When within that step, s.
    pub at: f64,
    /// When each goal was met.
    pub progress: Progress,
}

/// Ice that glazes frozen pieces, kg/m²: a few per cent of a wing's weight (common practice).
const ICE: f64 = 0.15;

/// Slices of vegetables under the meat, m (common practice: 2 cm).
const BED: f64 = 0.02;

/// How finely a cook is computed.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Hash)]
pub enum Resolution {
    /// What is shown.
    Fine,
    /// What is searched with.
    Coarse,
}

impl<'a> Problem<'a> {
    /// Lays the pieces out; the request must have been checked.
    pub fn new(request: &'a Request) -> Self {
        let entry = request.entry();
        let material = Material::of(entry.composition.with_bone(entry.bone));
        Self {
            request,
            loading: lay_out(request, &|mass| ready_alone(request, mass)),
            preheated: request.preheats(),
            material: Arc::new(material),
            setting: request.setting_used().celsius(),
            prepared: Arc::default(),
        }
    }

    /// What the first cavity holds of a load: everything, or the trays of the fuller drawer.
    pub fn first_of<'b>(&self, load: &'b Load) -> &'b [Tray] {
        match self.request.machine.kind {
            MachineKind::TwinDrawers => load.trays.get(..1).unwrap_or_default(),
            _ => &load.trays,
        }
    }

    /// What the other drawer holds of a load, if anything.
    pub fn second_of<'b>(&self, load: &'b Load) -> Option<&'b [Tray]> {
        match self.request.machine.kind {
            MachineKind::TwinDrawers => load.trays.get(1..).filter(|trays| !trays.is_empty()),
            _ => None,
        }
    }

    /// What goes in first and is shown.
    pub fn first(&self) -> &[Tray] {
        self.loading
            .loads
            .first()
            .map_or(&[], |load| self.first_of(load))
    }

    /// Pieces on some trays.
    pub fn pieces_on(trays: &[Tray]) -> impl Iterator<Item = usize> {
        trays.iter().flat_map(|tray| tray.pieces.iter().copied())
    }

    /// Weight of what lies on some trays, kg.
    pub fn mass_on(&self, trays: &[Tray]) -> f64 {
        Self::pieces_on(trays)
            .map(|piece| self.request.mass_of(piece).kilograms())
            .sum()
    }

    /// The same pieces as they lie under another request, which has neither other pieces nor another machine.
    pub fn asked<'b>(&self, request: &'b Request) -> Problem<'b> {
        Problem {
            request,
            loading: self.loading.clone(),
            preheated: request.preheats(),
            material: Arc::clone(&self.material),
            setting: request.setting_used().celsius(),
            prepared: Arc::default(),
        }
    }

    /// The same at another setting, whether the machine can or not.
    pub fn at_setting(&self, setting: Temperature) -> Self {
        Self {
            setting: setting.celsius(),
            prepared: Arc::clone(&self.prepared),
            ..self.asked(self.request)
        }
    }

    /// The machine as the first batch meets it.
    pub fn first_cavity(&self) -> Cavity {
        if self.preheated {
            let (mut cavity, _) =
                Run::preheat(self.cold_cavity(), self.true_to(self.first_setting()));
            cavity.open(OPENING);
            cavity
        } else {
            self.cold_cavity()
        }
    }

    fn cold_cavity(&self) -> Cavity {
        let machine = &self.request.machine;
        let room = self.request.room.celsius();
        let cavity = Cavity::cold(machine.kind, machine.power.watts(), room)
            .holding(self.request.support)
            .in_air_of(pressure_at(self.request.altitude));
        let alone = self
            .loading
            .loads
            .first()
            .is_none_or(|load| self.second_of(load).is_none());
        if alone { cavity.alone() } else { cavity }
    }

    /// The air at the dial as it stands at the end of a cook, °C.
    pub fn last_dial(&self) -> f64 {
        self.true_to(match self.request.programme {
            Programme::HotFinish { setting, .. } => setting.celsius(),
            Programme::Steady | Programme::HotStart { .. } => self.setting,
        })
    }

    /// The machine, hot or cold, when another cavity shares its power.
    pub fn sharing_cavity(&self) -> Cavity {
        self.first_cavity().sharing()
    }

    /// Puts a tray of this problem beside what is in a run.
    pub fn beside(&self, run: Run, tray: &Tray, resolution: Resolution) -> Run {
        let (piece, count, spot) = self.lot(tray, None, resolution, Variation::NONE);
        run.beside(piece, count, spot)
    }

    /// What the air is when the dial says so, °C.
    pub fn true_to(&self, dial: f64) -> f64 {
        let learned = self
            .request
            .known
            .machine
            .map_or(0.0, |known| known.offset.kelvins());
        dial + self.request.machine.calibration.offset.kelvins() + learned
    }

    /// The dial when the meat goes in, °C.
    pub fn first_setting(&self) -> f64 {
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

    /// What the empty machine needs: as the cook knows it, or as computed.
    pub fn preheat_time(&self) -> Interval {
        self.request.machine.preheat.unwrap_or_else(|| {
            let dial = self.true_to(self.first_setting());
            let (_, seconds) = Run::preheat(self.cold_cavity(), dial);
            Interval::from_seconds(seconds)
        })
    }

    /// Loads some trays into one cavity.
    pub fn load(
        &self,
        cavity: Cavity,
        trays: &[Tray],
        resolution: Resolution,
        variation: Variation,
    ) -> Run {
        let request = self.request;
        let learned = request.known.of_the_machine();
        let heat = variation.heat * request.machine.calibration.heat * learned.heat;
        let setting = self.true_to(self.first_setting()) + variation.setting;
        let mut run: Option<Run> = None;
        for (n, tray) in trays.iter().enumerate() {
            let (piece, count, spot) = self.lot(tray, trays.get(n + 1..), resolution, variation);
            run = Some(match run {
                Some(run) => run.beside(piece, count, spot),
                None => Run::load(
                    cavity.with_heat(heat),
                    request.room.celsius(),
                    setting,
                    piece,
                    count,
                )
                .at(spot)
                .with_sauce(request.sauce_sweetness()),
            });
        }
        let pace = match resolution {
            Resolution::Fine => Pace::Fine,
            Resolution::Coarse => Pace::Brisk,
        };
        let run = run
            .unwrap_or_else(|| {
                // No request that was checked has no pieces; an empty machine is what is left.
                let (piece, _) = self.piece(request.mass, resolution, variation);
                Run::load(cavity, request.room.celsius(), setting, piece, 0.0)
            })
            .with_pace(pace);
        if request.support == Support::Trivet {
            run.on_a_bed(BED)
        } else {
            run
        }
    }

    /// The pieces of a tray: the heaviest stands for all, counted to their whole weight.
    fn lot(
        &self,
        tray: &Tray,
        above: Option<&[Tray]>,
        resolution: Resolution,
        variation: Variation,
    ) -> (Piece, f64, Spot) {
        let request = self.request;
        let all: f64 = self.mass_on(std::slice::from_ref(tray)) * 1e3;
        let heaviest = tray
            .pieces
            .iter()
            .map(|piece| request.mass_of(*piece))
            .fold(Mass::from_grams(0.0), |a, b| if a > b { a } else { b });
        let (piece, volume) = self.piece(heaviest, resolution, variation);
        let shade = above
            .unwrap_or_default()
            .iter()
            .map(|tray| tray.coverage)
            .fold(0.0, f64::max);
        let height = self.loading.height(tray.level);
        let spot = Spot {
            exposure: tray.exposure() * variation.exposure,
            ..spot(request, request.thickness_of(heaviest), height, shade)
        };
        // The body leaves out what does not matter to the heat, such as the ends of a bar.
        let count = all * 1e-3 / (self.material.density() * volume);
        (piece, count, spot)
    }

    /// A piece of a weight, as it goes in, and its volume, m³.
    fn piece(&self, mass: Mass, resolution: Resolution, variation: Variation) -> (Piece, f64) {
        let request = self.request;
        let density = Density::from_kilograms_per_cubic_metre(self.material.density());
        let thickness = Length::from_millimetres(
            request.thickness_of(mass).millimetres() * variation.thickness,
        );
        let (body, _) = lay(request.form(), mass, thickness, density);
        let grid = match resolution {
            Resolution::Fine => Grid::fine(body),
            Resolution::Coarse => Grid::coarse(body),
        };
        let raw = |celsius: f64, surface: SurfaceStart| {
            let material = Arc::clone(&self.material);
            let law = if request.handling == Handling::LeftOver {
                FaceLaw::COOKED
            } else {
                FaceLaw::MEAT
            };
            Piece::new(Arc::new(grid), material, law, celsius, surface).with_bone(request.entry())
        };
        let start = request.start_temperature().celsius();
        let stages = request.stages();
        let piece = if stages.is_empty() {
            let surface = request.surface_start();
            let mut piece = raw(start + variation.start, surface);
            if request.start == Start::Frozen {
                piece.glaze(ICE);
            }
            piece
        } else {
            let key = (
                resolution,
                (mass.grams() * 1e6) as u64,
                (thickness.millimetres() * 1e6) as u64,
            );
            let mut known = self.prepared.lock().unwrap_or_else(PoisonError::into_inner);
            let stood = known.entry(key).or_insert_with(|| {
                let mut piece = raw(start, SurfaceStart::RAW);
                simulate(&mut piece, &stages, request.room);
                piece.coat(request.surface_start());
                piece
            });
            let mut piece = stood.clone();
            piece.warm(variation.start);
            piece
        };
        (piece, body.volume())
    }

    /// Cuts what is in a run to slices, or opens it like a book: all as cold as its coldest spot.
    pub fn cut(&self, run: &mut Run, variation: Variation) {
        /// Slices of a roast, mm (common practice: a finger thick).
        const SLICE: f64 = 20.0;
        let request = self.request;
        let whole = request.thickness_used().millimetres() * variation.thickness;
        let thickness = SLICE.min(whole / 2.0) * 1e-3;
        let mass = request.mass.kilograms() * thickness / (whole * 1e-3);
        let volume = mass / self.material.density();
        let radius = (volume / (std::f64::consts::PI * thickness)).sqrt();
        let grid = Grid::coarse(Body::Disc { thickness, radius });
        let material = Arc::clone(&self.material);
        let surface = Surface::PATTED_DRY.start();
        let slice = Piece::new(grid.into(), material, FaceLaw::MEAT, run.core(), surface);
        run.cut(&slice, whole * 1e-3 / thickness);
    }

    /// What must hold when nothing is left to the rest.
    pub fn goal(&self) -> Goal {
        let request = self.request;
        let held = request
            .floor_kept()
            .is_some_and(|floor| floor.hold.seconds() > 0.0);
        let outside = request.outside_used();
        Goal {
            core: request.out_at.unwrap_or(request.target).celsius(),
            held,
            browning: outside.browning().least(),
            crust: outside.crust(),
            planned: request.planned_until().seconds(),
        }
    }

    /// How the pieces rest.
    pub fn rest(&self) -> Rest {
        if self.request.is_tented() {
            Rest::Tented
        } else {
            Rest::Open
        }
    }

    /// Browning and dry layer, mm, of the face of a piece that counts: the paler one, or the upper
    /// one if the pieces are not turned.
    fn outside_of(&self, piece: &Piece) -> [f64; 2] {
        let read = |face: Face| [face.browning, face.dry_layer * 1e3];
        let [upper, lower] = [read(piece.upper()), read(piece.lower())];
        if self.request.is_turned() {
            [upper[0].min(lower[0]), upper[1].min(lower[1])]
        } else {
            upper
        }
    }

    /// Inside and outside of a piece.
    pub fn state_of(&self, piece: &Piece) -> State {
        let [browning, crust] = self.outside_of(piece);
        State {
            core: piece.core(),
            browning,
            crust,
        }
    }

    /// The coldest spot of all pieces, and the palest face that counts.
    pub fn state(&self, run: &Run) -> State {
        let worst = State {
            core: f64::INFINITY,
            browning: f64::INFINITY,
            crust: f64::INFINITY,
        };
        let states = run.pieces().map(|piece| self.state_of(piece));
        states.fold(worst, |a, b| State {
            core: a.core.min(b.core),
            browning: a.browning.min(b.browning),
            crust: a.crust.min(b.crust),
        })
    }

    /// The browning that counts.
    pub fn browning(&self, run: &Run) -> f64 {
        self.state(run).browning
    }

    /// Cooks for so many seconds, doing what is to be done on the way.
    pub fn follow(&self, run: &mut Run, timing: &Timing, seconds: f64) {
        for opening in self.script(timing, Variation::NONE) {
            if opening.at < seconds {
                run.advance_to(opening.at);
                run.perform(&opening.actions);
            }
        }
        run.advance_to(seconds);
    }

    /// Cooks until `done` says so.
    ///
    /// # Errors
    /// [`PlanError::NeverReached`] when it never does.
    pub fn watch(
        &self,
        mut run: Run,
        timing: &Timing,
        variation: Variation,
        mut done: impl FnMut(&Run) -> bool,
    ) -> Result<Run, PlanError> {
        let script = self.script(timing, variation);
        let mut ahead = script.as_slice();
        while !done(&run) {
            let now = run.elapsed();
            if now >= LONGEST.seconds() {
                return Err(self.never_reached(&run));
            }
            while let [opening, rest @ ..] = ahead
                && opening.at <= now + 1e-9
            {
                run.perform(&opening.actions);
                ahead = rest;
            }
            let limit = ahead
                .first()
                .map_or(f64::INFINITY, |opening| opening.at - now);
            run.step(limit);
        }
        Ok(run)
    }

    /// Why a cook that never gets there is refused.
    pub fn never_reached(&self, run: &Run) -> PlanError {
        PlanError::NeverReached {
            target: self.request.target,
            setting: Temperature::from_celsius(self.setting),
            limit: LONGEST,
            reached: Temperature::from_celsius(run.core()),
        }
    }

    /// Cooks until the goal is met; `watch` sees every state on the way.
    ///
    /// # Errors
    /// [`PlanError::NeverReached`] when the core is not there after [`LONGEST`].
    pub fn cook(
        &self,
        run: Run,
        timing: &Timing,
        variation: Variation,
        goal: Goal,
        mut watch: impl FnMut(&Run, &Progress),
    ) -> Result<Ready, PlanError> {
        let mut progress = Progress::new(goal);
        let mut ready = None;
        let run = self.watch(run, timing, variation, |run| {
            let now = run.elapsed();
            progress.see(now, self.state(run));
            if now > 0.0 {
                watch(run, &progress);
            }
            ready = progress.ready(now);
            ready.is_some()
        })?;
        let at = ready.unwrap_or_else(|| run.elapsed());
        Ok(Ready { run, at, progress })
    }
}

/// When the core of a piece alone is there, s; nothing when it never is.
fn ready_alone(request: &Request, mass: Mass) -> Option<f64> {
    let alone = Request {
        pieces: 1,
        weights: Vec::new(),
        thickness: Some(request.thickness_of(mass)),
        mass,
        layout: None,
        actions: Vec::new(),
        ..request.clone()
    };
    let problem = Problem::new(&alone);
    let run = problem.load(
        problem.first_cavity(),
        problem.first(),
        Resolution::Coarse,
        Variation::NONE,
    );
    let bare = problem.goal().bare();
    let ready = problem.cook(run, &Timing::default(), Variation::NONE, bare, |_, _| ());
    Some(ready.ok()?.at)
}
