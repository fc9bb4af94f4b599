//! One piece of meat and its simulation through time.
#![allow(
    clippy::indexing_slicing,
    reason = "the time loop; every array has one entry per cell or per patch of the same grid"
)]

use std::sync::{Arc, LazyLock};

use super::face::{Behind, Drive, Face, FaceLaw, Stride, Surroundings};
use super::grid::{Facing, Grid, Patch, Pole};
use super::tridiagonal::Lines;
use crate::geometry::Body;
use crate::meat::water::latent_heat;
use crate::meat::{Bone, Cut, FREEZES, FUSION, Material, SurfaceStart, Tissue};

/// What passed between the piece and its surroundings in a step.
#[derive(Debug, Clone, Copy, PartialEq, Default)]
pub struct Exchange {
    /// Heat that the surroundings gave through the faces, J.
    pub given: f64,
    /// Part of it that evaporated water, J.
    pub latent: f64,
    /// Heat above 0 °C that left the cells with the water, J.
    pub carried: f64,
    /// Water that left as vapour, kg.
    pub water: f64,
    /// Juice that dripped, kg.
    pub dripped: f64,
    /// Fat that ran off, kg.
    pub rendered: f64,
}

impl Exchange {
    /// Adds what passed in another step.
    pub fn add(&mut self, other: Self) {
        self.given += other.given;
        self.latent += other.latent;
        self.carried += other.carried;
        self.water += other.water;
        self.dripped += other.dripped;
        self.rendered += other.rendered;
    }
}

/// Where a face looks.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Looking {
    /// To the element.
    Up,
    /// To the floor.
    Down,
    /// Every face.
    Both,
}

/// One piece: temperatures of its cells, state of its faces.
#[derive(Debug, Clone)]
pub struct Piece {
    grid: Arc<Grid>,
    /// What it is made of, where that is the same everywhere, and of each cell where it is not.
    material: Arc<Material>,
    parts: Vec<Arc<Material>>,
    /// Where its bone lies.
    bone: Bone,
    law: FaceLaw,
    /// What its surface browns by.
    surface: SurfaceStart,
    /// Heat above 0 °C of each cell as if none of its water had left, J/m³, and what it is with that.
    heat: Vec<f64>,
    temperature: Vec<f64>,
    capacity: Vec<f64>,
    at_rest: Vec<f64>,
    faces: Vec<Face>,
    drives: Vec<Drive>,
    /// Water a patch can lose, kg/m²: its share of the piece's water by area.
    stock: f64,
    /// Share of its water that each cell still holds.
    wet: Vec<f64>,
    /// The same a step earlier.
    wet_before: Vec<f64>,
    /// Share of its water that heat has left in each cell, and share of its fat that has not run off.
    held: Vec<f64>,
    fat: Vec<f64>,
    /// Juice that has dripped, kg.
    dripped: f64,
    /// Share of each cell that the dry layer has not reached.
    bare: Vec<f64>,
    /// Conductivity between front and core, where the dry layer has taken its share of a cell, W/(m K).
    conductivity: Vec<f64>,
    down: Lines,
    across: Lines,
    /// What moves the cells in the step in hand, W; once solved, their rise, K.
    rise: Vec<f64>,
    /// Where the cells are expected at the end of the step in hand, °C.
    expected: Vec<f64>,
    /// Change of the cells in the step before, K, and the heat they took, J.
    change: Vec<f64>,
    gained: Vec<f64>,
    /// Whether some of it is frozen.
    frozen: bool,
    /// Length of the step before, s; nought where the surroundings are new.
    last_step: f64,
    /// Heat the surroundings gave in the step before, J.
    given: f64,
    /// Time since water that left was last taken out of the cells, s.
    undrained: f64,
}

/// A dried cell conducts as if it were this share of itself; smaller gains nothing but stiffness.
const SHORTEST: f64 = 0.05;
/// Cells dry over minutes; their heat capacity is brought up to date this often, s.
const DRAIN_EVERY: f64 = 20.0;
/// A step longer than this many of the one before starts afresh; the scheme is stable up to
/// 1 + sqrt(2).
const MOST_GROWTH: f64 = 2.4;

/// The material of a cell: of its own part, or of the whole piece.
fn part_of<'a>(parts: &'a [Arc<Material>], whole: &'a Material, cell: usize) -> &'a Material {
    parts.get(cell).map_or(whole, |part| part)
}

/// Share of its raw heat capacity that a cell keeps with these shares of its water and its fat.
fn left(material: &Material, wet: f64, fat: f64) -> f64 {
    1.0 - material.water_share() * (1.0 - wet) - material.fat_share() * (1.0 - fat)
}

/// How far the shrinking of proteins has come, and how far the cells of the fat have opened, at whole
/// degrees from nought, 0..1: cells ask every few seconds.
static CHANGED: LazyLock<[[f64; 2]; HOT]> = LazyLock::new(|| {
    let passed =
        |celsius: f64, middle: f64, width: f64| 1.0 / (1.0 + (-(celsius - middle) / width).exp());
    std::array::from_fn(|celsius| {
        let celsius = celsius as f64;
        [passed(celsius, 65.0, 7.0), passed(celsius, 85.0, 10.0)]
    })
});
/// Degrees of the table: beyond nothing changes any more.
const HOT: usize = 160;

/// The same at a temperature, straight between the degrees; cold and beyond as at the ends.
fn changed_at(table: &[[f64; 2]; HOT], celsius: f64) -> [f64; 2] {
    let at = celsius.clamp(0.0, (table.len() - 2) as f64);
    let low = at as usize;
    let part = at - low as f64;
    let [from, to] = [table[low], table[low + 1]];
    [0, 1].map(|n| from[n] + part * (to[n] - from[n]))
}

/// The step to take, s, when `elapsed` seconds have passed since the piece met new surroundings:
/// one second at first, fifteen from the sixth minute on. The error of the centre is then below
/// 0.1 K (`tests/all/exact.rs` and the table in `docs/model.md`).
///
/// ```
/// use ember_model::heat::step_size;
/// assert_eq!((step_size(0.0), step_size(900.0)), (1.0, 15.0));
/// ```
#[must_use]
pub fn step_size(elapsed: f64) -> f64 {
    (1.0 + elapsed / 25.0).min(15.0)
}

impl Piece {
    /// A piece of even temperature (°C).
    #[must_use]
    pub fn new(
        grid: Arc<Grid>,
        material: Arc<Material>,
        law: FaceLaw,
        celsius: f64,
        start: SurfaceStart,
    ) -> Self {
        let cells = grid.cells();
        let area: f64 = grid.patches.iter().map(|patch| patch.area).sum();
        let volume: f64 = grid.volume.iter().sum();
        let heat = material.heat(celsius);
        let state = material.state(heat);
        Self {
            law,
            surface: start,
            heat: vec![heat; cells],
            temperature: vec![celsius; cells],
            capacity: vec![state.capacity; cells],
            at_rest: vec![state.conductivity; cells],
            faces: vec![
                Face {
                    browning: start.browned,
                    ..Face::new(celsius, start.film, start.dry_layer)
                };
                grid.patches.len()
            ],
            drives: vec![Drive::default(); grid.patches.len()],
            stock: law.available * material.water_content() * volume / area,
            wet: vec![1.0; cells],
            wet_before: vec![1.0; cells],
            held: vec![1.0; cells],
            fat: vec![1.0; cells],
            dripped: 0.0,
            bare: vec![1.0; cells],
            conductivity: vec![0.0; cells],
            down: Lines::new(grid.rows, grid.columns, grid.columns, 1),
            across: Lines::new(grid.columns, 1, grid.rows, grid.columns),
            rise: vec![0.0; cells],
            expected: vec![celsius; cells],
            change: vec![0.0; cells],
            gained: vec![0.0; cells],
            frozen: celsius < FREEZES,
            last_step: 0.0,
            given: 0.0,
            undrained: 0.0,
            grid,
            material,
            parts: Vec::new(),
            bone: Bone::Mixed,
        }
    }

    /// With the bone of a cut where it lies; of even temperature still.
    ///
    /// ```
    /// use ember_model::{heat::{FaceLaw, Grid, Piece}, meat::{CutId, cut}};
    /// let drumstick = cut(CutId::Drumstick);
    /// let [_, mass, _] = drumstick.usual_mass;
    /// let thick = drumstick.expected_thickness(mass);
    /// let (piece, body) =
    ///     Piece::raw(drumstick, mass, thick, Grid::fine, FaceLaw::MEAT, 4.0, drumstick.surface);
    /// // The tip beside the bone, not in it.
    /// assert!(piece.core_at() < 0.45 * body.depth());
    /// ```
    #[must_use]
    pub fn with_bone(mut self, cut: &Cut) -> Self {
        let Some(bone) = self.grid.bone(cut.bone_lies) else {
            return self;
        };
        self.bone = cut.bone_lies;
        let parts = Tissue::of(cut.id).parts(&bone, &self.grid.volume);
        self.made_of(parts)
    }

    /// With a material for each cell, in the order of the grid; of even temperature still.
    #[must_use]
    pub fn made_of(mut self, parts: Vec<Arc<Material>>) -> Self {
        self.parts = parts;
        let mut water = 0.0;
        for cell in 0..self.heat.len() {
            let heat = self.of(cell).heat(self.temperature[cell]);
            let state = self.of(cell).state(heat);
            self.heat[cell] = heat;
            self.capacity[cell] = state.capacity;
            self.at_rest[cell] = state.conductivity;
            water += self.of(cell).water_content() * self.grid.volume[cell];
        }
        self.stock = self.law.available * water / self.area();
        self
    }

    /// The material of a cell.
    fn of(&self, cell: usize) -> &Material {
        part_of(&self.parts, &self.material, cell)
    }

    /// Advances by `dt` seconds; `around` gives what each patch meets.
    ///
    /// Backward differences of second order in time, in terms of the change of each cell, with
    /// the two directions solved one after the other (approximate factorisation: the error of the
    /// splitting is of second order as well). The first step in new surroundings, and one much
    /// longer than the step before, is of first order.
    pub fn step(&mut self, dt: f64, around: impl Fn(Facing) -> Surroundings) -> Exchange {
        let mut exchange = Exchange::default();
        self.undrained += dt;
        if self.undrained >= DRAIN_EVERY {
            self.undrained = 0.0;
            self.drain(&mut exchange);
        }
        let ratio = if dt <= MOST_GROWTH * self.last_step {
            dt / self.last_step
        } else {
            0.0
        };
        let stride = Stride { dt, ratio };
        self.assemble(stride);
        self.meet(stride, around, &mut exchange);
        let columns = self.grid.columns;
        // Each direction's faces are accounted for with the rise of their own sweep: with that the
        // split steps conserve heat exactly.
        self.down.solve(&mut self.rise);
        let mut inflow = self.account(true, ratio, &mut exchange);
        if columns > 1 {
            for (rise, capacity) in self.rise.iter_mut().zip(self.down.capacity()) {
                *rise *= capacity;
            }
            self.across.solve(&mut self.rise);
        }
        inflow += self.account(false, ratio, &mut exchange);
        self.take_up(stride);
        for (n, (patch, face)) in self.grid.patches.iter().zip(&mut self.faces).enumerate() {
            let rise = self.temperature[patch.cell] - self.expected[patch.cell];
            face.settle(&self.drives[n], patch.reached[0] * rise);
        }
        self.given = stride.sum(inflow, self.given);
        exchange.given = self.given;
        self.last_step = dt;
        exchange
    }

    /// Wets the whole surface with a film of water, kg/m².
    pub fn wet(&mut self, film: f64) {
        for face in &mut self.faces {
            face.film += film;
        }
        self.disturb();
    }

    /// Wets the faces that look up, down, or both, with a film of water, kg/m².
    pub fn wet_faces(&mut self, film: f64, looking: Looking) {
        for (face, patch) in self.faces.iter_mut().zip(&self.grid.patches) {
            face.film += film * reached(patch.facing, looking);
        }
        self.disturb();
    }

    /// Brushes the faces that look up, down, or both with a sauce: a film of water, kg/m², and its sugar, of a
    /// glaze's.
    pub fn sauce(&mut self, film: f64, sugar: f64, looking: Looking) {
        for (face, patch) in self.faces.iter_mut().zip(&self.grid.patches) {
            // No brush gets into a bird.
            if patch.facing != Facing::Cavity {
                face.sugar = face.sugar.max(sugar * reached(patch.facing, looking));
            }
        }
        self.wet_faces(film, looking);
    }

    /// Covers the whole surface with ice, kg/m²: it melts with the outermost cells, and wets them.
    pub fn glaze(&mut self, ice: f64) {
        for (patch, face) in self.grid.patches.iter().zip(&mut self.faces) {
            face.film += ice;
            self.heat[patch.cell] -= ice * patch.area * FUSION / self.grid.volume[patch.cell];
        }
        self.read_heat();
        self.disturb();
    }

    /// Dries the faces with a towel to a film of this much water, kg/m², or less.
    pub fn blot(&mut self, film: f64) {
        for face in &mut self.faces {
            face.film = face.film.min(film);
        }
        self.disturb();
    }

    /// Warms every cell by this many kelvins: another start, and otherwise the same.
    pub fn warm(&mut self, kelvins: f64) {
        for cell in 0..self.heat.len() {
            self.heat[cell] = self.of(cell).heat(self.temperature[cell] + kelvins);
        }
        self.read_heat();
        for face in &mut self.faces {
            face.front += kelvins;
            face.surface += kelvins;
        }
        self.disturb();
    }

    /// What layers add to a surface that has stood: no thinner a dry layer and no more water than
    /// they come with.
    pub fn coat(&mut self, start: SurfaceStart) {
        self.surface = start;
        for face in &mut self.faces {
            face.dry_layer = face.dry_layer.max(start.dry_layer);
            face.film = face.film.min(start.film);
            face.browning = face.browning.max(start.browned);
        }
        self.disturb();
    }

    /// Area that lies on what is below, m².
    #[must_use]
    pub fn lying(&self) -> f64 {
        self.grid
            .patches
            .iter()
            .map(|patch| match patch.facing {
                Facing::Vertical(up) => patch.area * (1.0 - up),
                Facing::Side | Facing::Cavity => 0.0,
            })
            .sum()
    }

    /// How much more heat the piece takes from surroundings that are one kelvin warmer, W/K, by the last
    /// step; and the same with every face weighted.
    #[must_use]
    pub fn coupling(&self, weight: impl Fn(Facing) -> f64) -> [f64; 2] {
        let mut sum = [0.0; 2];
        for (patch, drive) in self.grid.patches.iter().zip(&self.drives) {
            let takes = patch.area * drive.outer;
            sum[0] += takes;
            sum[1] += takes * weight(patch.facing);
        }
        sum
    }

    /// Forgets the step before: the surroundings are about to change at once.
    pub fn disturb(&mut self) {
        self.last_step = 0.0;
    }

    /// Sets up capacities, conduction and what the step before adds.
    fn assemble(&mut self, stride: Stride) {
        let Stride { dt, ratio } = stride;
        let (lead, memory) = (stride.lead(), stride.memory());
        let (across, down) = (&mut self.across, &mut self.down);
        let (memory, lead) = (memory / dt, lead / dt);
        let all = self.temperature.len();
        let (t, change) = (&self.temperature[..all], &self.change[..all]);
        let (wet, fat, bare) = (&self.wet[..all], &self.fat[..all], &self.bare[..all]);
        let (capacity, volume) = (&self.capacity[..all], &self.grid.volume[..all]);
        let (at_rest, gained) = (&self.at_rest[..all], &self.gained[..all]);
        let parts = &self.parts;
        let (conductivity, rise) = (&mut self.conductivity[..all], &mut self.rise[..all]);
        let expected = &mut self.expected[..all];
        for i in 0..all {
            let left = left(part_of(parts, &self.material, i), wet[i], fat[i]);
            // The front has moved in: the way through the dried share lies in the face's own
            // resistance, so that here only the rest of the cell stands between it and the core.
            conductivity[i] = at_rest[i] / bare[i].max(SHORTEST);
            rise[i] = memory * gained[i];
            expected[i] = t[i] + ratio * change[i];
            down.set_capacity(i, lead * capacity[i] * left * volume[i]);
        }
        across.copy_capacity(down);
        down.conduct(
            &self.grid.link_rows,
            &self.conductivity,
            &self.temperature,
            &mut self.rise,
        );
        // Where something freezes or thaws, the profile has a corner instead.
        let smooth = !self.frozen;
        if smooth {
            down.bend(
                &self.grid.bend_rows,
                &self.grid.link_rows,
                &self.at_rest,
                &self.expected,
                &mut self.rise,
            );
        }
        if self.grid.columns > 1 {
            across.conduct(
                &self.grid.link_columns,
                &self.conductivity,
                &self.temperature,
                &mut self.rise,
            );
            if smooth {
                across.bend(
                    &self.grid.bend_columns,
                    &self.grid.link_columns,
                    &self.at_rest,
                    &self.expected,
                    &mut self.rise,
                );
            }
        }
    }

    /// What the cells are with the heat they have, and how far that is from before.
    fn read_heat(&mut self) {
        let mut coldest = f64::INFINITY;
        let all = self.heat.len();
        let (temperature, change) = (&mut self.temperature[..all], &mut self.change[..all]);
        let (capacity, at_rest) = (&mut self.capacity[..all], &mut self.at_rest[..all]);
        for (i, heat) in self.heat.iter().enumerate() {
            let state = part_of(&self.parts, &self.material, i).state(*heat);
            change[i] = state.celsius - temperature[i];
            temperature[i] = state.celsius;
            capacity[i] = state.capacity;
            at_rest[i] = state.conductivity;
            coldest = coldest.min(state.celsius);
        }
        self.frozen = coldest < FREEZES;
    }

    /// Gives every cell the heat of its rise at the capacity it began with. The material with that heat accounts for
    /// melting and for a capacity that changes on the way.
    fn take_up(&mut self, stride: Stride) {
        let over = stride.dt / stride.lead();
        let cells = self.heat.iter_mut().zip(&mut self.gained).zip(&self.rise);
        let taken = self.capacity.iter().zip(self.down.capacity());
        for (((heat, gained), rise), (capacity, over_step)) in cells.zip(taken) {
            *heat += rise * capacity;
            *gained = rise * over_step * over;
        }
        self.read_heat();
    }

    /// Takes what has left out of the cells: the water that heat presses out of them, what the dry layers
    /// held, and the fat that runs off. What evaporates beyond what was pressed out is taken from everywhere
    /// alike.
    fn drain(&mut self, exchange: &mut Exchange) {
        let grid = Arc::clone(&self.grid);
        if self.material.water_share() <= 0.0 {
            return;
        }
        let (mut whole, mut pressed, mut rendered) = (0.0, 0.0, 0.0);
        let table = &*CHANGED;
        for (i, t) in self.temperature.iter().enumerate() {
            let [shrunk, opened] = changed_at(table, *t);
            self.held[i] = self.held[i].min(1.0 - self.law.pressed * shrunk);
            let fat = self.fat[i].min(1.0 - self.law.rendered * opened);
            let part = part_of(&self.parts, &self.material, i);
            let molten = (self.fat[i] - fat) * grid.volume[i];
            rendered += molten * part.fat_content();
            exchange.carried += part.fat_share() * molten * self.heat[i];
            self.fat[i] = fat;
            let water = part.water_content() * grid.volume[i];
            whole += water;
            pressed += (1.0 - self.held[i]) * water;
        }
        let lost: f64 = grid
            .patches
            .iter()
            .zip(&self.faces)
            .map(|(patch, face)| patch.area * face.lost.max(0.0))
            .sum();
        let replaced = self.law.replenished * lost;
        let even = (1.0 - (replaced - pressed).max(0.0) / whole).max(0.0);
        // Water that is pressed out and does not evaporate drips.
        let dripped = (pressed - replaced).max(self.dripped);
        exchange.dripped += dripped - self.dripped;
        exchange.rendered += rendered;
        self.dripped = dripped;
        std::mem::swap(&mut self.wet, &mut self.wet_before);
        self.bare.fill(1.0);
        for (patch, face) in grid.patches.iter().zip(&self.faces) {
            let mut dry = face.dry_layer;
            for (cell, width) in grid.behind(patch) {
                self.bare[cell] *= 1.0 - (dry / width).min(1.0);
                dry -= width;
                if dry <= 0.0 {
                    break;
                }
            }
        }
        for (i, heat) in self.heat.iter().enumerate() {
            self.wet[i] = even * self.held[i] * self.bare[i];
            let part = part_of(&self.parts, &self.material, i);
            let gone = part.water_share() * (self.wet_before[i] - self.wet[i]);
            exchange.carried += gone * heat * grid.volume[i];
        }
    }

    /// Lets the faces act on the cells behind them, by where those are expected at the end of the
    /// step.
    fn meet(
        &mut self,
        stride: Stride,
        around: impl Fn(Facing) -> Surroundings,
        exchange: &mut Exchange,
    ) {
        // Patches that look the same way stand beside one another.
        let mut met: Option<(Facing, Surroundings)> = None;
        for (n, (patch, face)) in self.grid.patches.iter().zip(&mut self.faces).enumerate() {
            let expected = stride.ratio * self.change[patch.cell];
            let [first, second, third] = patch.reached;
            let beyond = |n: isize| {
                let cell = patch.cell.wrapping_add_signed(n * patch.inward);
                self.expected[cell]
            };
            let behind = Behind {
                cell: first * beyond(0) + second * beyond(1) + third * beyond(2),
                conductance: self.conductivity[patch.cell] * patch.steep,
                stock: self.stock,
                content: part_of(&self.parts, &self.material, patch.cell).water_content(),
                drift: self.drives[n].follow * expected,
            };
            let known = met.filter(|(facing, _)| *facing == patch.facing);
            let (_, around) =
                *met.insert(known.unwrap_or_else(|| (patch.facing, around(patch.facing))));
            // Only what is looked at needs its colour.
            let colouring = patch.facing.is_seen().then_some(self.surface);
            let (drive, leaving) = face.advance(&self.law, &around, behind, colouring, stride);
            self.drives[n] = drive;
            // The cell behind is met at the end of the step, those behind it where they are expected.
            let conductance = drive.conductance * patch.area * first;
            self.rise[patch.cell] += drive.flux * patch.area + conductance * expected;
            if patch.first_direction {
                self.down.couple(patch.cell, conductance);
            } else {
                self.across.couple(patch.cell, conductance);
            }
            exchange.water += leaving * patch.area;
            exchange.latent += leaving * patch.area * latent_heat(face.front);
        }
    }

    /// Adds up what passes through the faces of one direction; returns the heat from outside at the
    /// end of the step, W.
    fn account(&mut self, down: bool, ratio: f64, exchange: &mut Exchange) -> f64 {
        let mut inflow = 0.0;
        for (n, (patch, face)) in self.grid.patches.iter().zip(&mut self.faces).enumerate() {
            if patch.first_direction != down {
                continue;
            }
            let rise = self.rise[patch.cell] - ratio * self.change[patch.cell];
            let (heat, water) = face.account(&self.drives[n], patch.reached[0] * rise);
            inflow += patch.area * heat;
            exchange.water += patch.area * water;
            exchange.latent += patch.area * water * latent_heat(face.front);
        }
        inflow
    }

    /// Turns the piece over.
    pub fn turn(&mut self) {
        self.disturb();
        for (here, there) in self.grid.mirror.iter().enumerate() {
            if here < *there {
                self.heat.swap(here, *there);
                self.temperature.swap(here, *there);
                self.capacity.swap(here, *there);
                self.at_rest.swap(here, *there);
                self.wet.swap(here, *there);
                self.bare.swap(here, *there);
                self.held.swap(here, *there);
                self.fat.swap(here, *there);
            }
        }
        for (here, patch) in self.grid.patches.iter().enumerate() {
            if here < patch.mirror {
                self.faces.swap(here, patch.mirror);
            }
        }
    }

    /// Mean of the cells of a station.
    fn mean_at(&self, n: usize) -> f64 {
        let station = &self.grid.axis[n];
        let read = station.weights.iter().zip(station.cells);
        read.map(|(weight, cell)| weight * self.temperature[cell])
            .sum()
    }

    /// Depth of a station, m, and the temperature there.
    fn on_axis(&self, n: usize) -> (f64, f64) {
        let station = &self.grid.axis[n];
        let [a, b, c] = station.along;
        let mean = |k: usize| self.mean_at(station.from + k);
        (station.depth, a * mean(0) + b * mean(1) + c * mean(2))
    }

    /// The face where the vertical line through the middle leaves the body.
    fn at_pole(&self, pole: Pole) -> Face {
        let mut face = self.faces[pole.patches[0]];
        let mean = |of: fn(&Face) -> f64| -> f64 {
            let read = pole.weights.iter().zip(pole.patches);
            read.map(|(weight, patch)| weight * of(&self.faces[patch]))
                .sum()
        };
        (face.front, face.surface) = (mean(|face| face.front), mean(|face| face.surface));
        face
    }

    /// The core, °C: the coldest spot of the middle half of the vertical line through the middle,
    /// by a parabola through the coldest cell and its neighbours. While the piece heats that is
    /// its coldest spot; while it rests it is where a thermometer still looks.
    #[must_use]
    pub fn core(&self) -> f64 {
        self.coldest_spot().1
    }

    /// Where its bone lies.
    pub(super) fn bone(&self) -> Bone {
        self.bone
    }

    /// How far from its axis, half-way down, a flat piece is within this many kelvins of its core, m.
    pub(super) fn even_to(&self, kelvins: f64) -> f64 {
        let (grid, columns) = (&self.grid, self.grid.columns);
        let row = grid.rows / 2 * columns;
        let limit = self.core() + kelvins;
        let (mut begin, mut last) = (0.0, None::<(f64, f64)>);
        for (column, width) in grid.column_width.iter().enumerate() {
            let (at, celsius) = (begin + 0.5 * width, self.temperature[row + column]);
            begin += width;
            if celsius > limit {
                return last.map_or(0.0, |(before, cooler)| {
                    before + (at - before) * (limit - cooler) / (celsius - cooler)
                });
            }
            last = Some((at, celsius));
        }
        begin
    }

    /// Radius of a shaft of bone along the middle of a bar, m; nought without a bone.
    pub(super) fn shaft(&self) -> f64 {
        match (self.grid.body, self.bone) {
            (Body::Bar { diameter, .. }, Bone::Shaft { thick }) => 0.5 * thick * diameter,
            _ => 0.0,
        }
    }

    /// Depth of the core below the upper face, m.
    #[must_use]
    pub fn core_at(&self) -> f64 {
        self.coldest_spot().0
    }

    /// Depth of the core, m, and its temperature.
    pub(super) fn coldest_spot(&self) -> (f64, f64) {
        let (depth, coldest) = self.coldest_of_all();
        let middle = 0.5 * self.grid.body.depth();
        let shaft = self.shaft();
        if (depth - middle).abs() >= shaft {
            return (depth, coldest);
        }
        // It is meat that must be hot enough, the nearest to the bone.
        let [above, below] = [middle - shaft, middle + shaft];
        let [upper, lower] = [above, below].map(|depth| self.at_depth(depth));
        if upper < lower {
            (above, upper)
        } else {
            (below, lower)
        }
    }

    /// The same, wherever it is.
    fn coldest_of_all(&self) -> (f64, f64) {
        let count = self.grid.axis.len();
        let mut coldest = (0, f64::INFINITY);
        let depth = self.grid.body.depth();
        for n in 0..count {
            let (z, t) = (self.grid.axis[n].depth, self.mean_at(n));
            if t < coldest.1 && (z - 0.5 * depth).abs() <= 0.25 * depth {
                coldest = (n, t);
            }
        }
        let n = coldest.0;
        let (z1, t1) = self.on_axis(n);
        // Beside a cavity there is meat on one side only.
        let beside_cavity =
            matches!(self.grid.body, Body::Tube { .. }) && (n == count / 2 || n + 1 == count / 2);
        if n == 0 || n + 1 == count || beside_cavity {
            return (z1, t1);
        }
        let (z0, t0) = self.on_axis(n - 1);
        let (z2, t2) = self.on_axis(n + 1);
        let left = (t1 - t0) / (z1 - z0);
        let right = (t2 - t1) / (z2 - z1);
        let bend = (right - left) / (z2 - z0);
        if bend <= 0.0 {
            return (z1, t1);
        }
        // Newton's form of the parabola; its slope vanishes at `z`.
        let z = f64::midpoint(z0, z1) - left / (2.0 * bend);
        (z, t0 + left * (z - z0) + bend * (z - z0) * (z - z1))
    }

    /// Temperature at a depth on the vertical line through the middle, °C, straight between the stations.
    pub(super) fn at_depth(&self, depth: f64) -> f64 {
        let count = self.grid.axis.len();
        let above = self.grid.axis.partition_point(|one| one.depth <= depth);
        let n = above.clamp(1, count - 1);
        let ((z0, t0), (z1, t1)) = (self.on_axis(n - 1), self.on_axis(n));
        let part = ((depth - z0) / (z1 - z0)).clamp(0.0, 1.0);
        t0 + part * (t1 - t0)
    }

    /// Whether some part of the surface has less than a tenth of its water left: from then on it
    /// evaporates less and less, and may pass boiling.
    #[must_use]
    pub fn is_drying_out(&self) -> bool {
        self.faces.iter().any(|face| face.lost > 0.9 * self.stock)
    }

    /// The hottest cell, °C; faces not included.
    #[must_use]
    pub fn hottest(&self) -> f64 {
        self.temperature
            .iter()
            .copied()
            .fold(f64::NEG_INFINITY, f64::max)
    }

    /// The coldest cell, °C.
    #[must_use]
    pub fn coldest(&self) -> f64 {
        self.temperature
            .iter()
            .copied()
            .fold(f64::INFINITY, f64::min)
    }

    /// Mean temperature by heat, °C.
    #[must_use]
    pub fn mean(&self) -> f64 {
        let volume: f64 = self.grid.volume.iter().sum();
        let sum: f64 = self
            .temperature
            .iter()
            .zip(&self.grid.volume)
            .map(|(t, v)| t * v)
            .sum();
        sum / volume
    }

    /// Heat stored above 0 °C in the piece without its losses, J.
    #[must_use]
    pub fn heat_above_zero(&self) -> f64 {
        self.heat
            .iter()
            .zip(&self.grid.volume)
            .enumerate()
            .map(|(cell, (heat, v))| heat * v * left(self.of(cell), self.wet[cell], self.fat[cell]))
            .sum()
    }

    /// The grid the piece is computed on.
    #[must_use]
    pub fn grid(&self) -> &Grid {
        &self.grid
    }

    /// The face patches, in the order of the grid's patches.
    #[must_use]
    pub fn faces(&self) -> &[Face] {
        &self.faces
    }

    /// The face looking up, averaged over its middle.
    #[must_use]
    pub fn upper(&self) -> Face {
        self.looking(true)
    }

    /// The face looking down, averaged over its middle.
    #[must_use]
    pub fn lower(&self) -> Face {
        self.looking(false)
    }

    /// Mean of the patches that are seen from above, or from below.
    fn looking(&self, up: bool) -> Face {
        let mut area = 0.0;
        let mut sum = Face::new(0.0, 0.0, 0.0);
        for (patch, face) in self.grid.patches.iter().zip(&self.faces) {
            let weight = match patch.facing {
                Facing::Vertical(v) if patch.facing.is_seen() && up == (v > 0.5) => patch.area,
                _ => continue,
            };
            area += weight;
            sum.front += weight * face.front;
            sum.surface += weight * face.surface;
            sum.dry_layer += weight * face.dry_layer;
            sum.film += weight * face.film;
            sum.lost += weight * face.lost;
            sum.leaving += weight * face.leaving;
            sum.browning += weight * face.browning;
            sum.sugar += weight * face.sugar;
        }
        if area <= 0.0 {
            // A sphere has one patch only.
            return self.faces.first().copied().unwrap_or(sum);
        }
        Face {
            front: sum.front / area,
            surface: sum.surface / area,
            dry_layer: sum.dry_layer / area,
            film: sum.film / area,
            lost: sum.lost / area,
            leaving: sum.leaving / area,
            browning: sum.browning / area,
            sugar: sum.sugar / area,
        }
    }

    /// Area of the whole surface, m².
    #[must_use]
    pub fn area(&self) -> f64 {
        self.grid.patches.iter().map(|p: &Patch| p.area).sum()
    }

    /// Mean temperature of the outermost surface, °C.
    #[must_use]
    pub fn surface_mean(&self) -> f64 {
        let sum: f64 = self
            .grid
            .patches
            .iter()
            .zip(&self.faces)
            .map(|(patch, face)| patch.area * face.surface)
            .sum();
        sum / self.area()
    }

    /// Temperatures at `count` even depths on the vertical line through the middle, upper face
    /// first; the outermost values are those of the surface itself, °C.
    pub fn profile(&self, count: usize, out: &mut Vec<f64>) {
        let depth = self.grid.body.depth();
        let [upper, lower] = self.grid.poles.map(|pole| self.at_pole(pole));
        let stations = self.grid.axis.len();
        // The wet inside is drawn between the two dry layers.
        let top = upper.dry_layer.clamp(1e-9, 0.2 * depth);
        let bottom = lower.dry_layer.clamp(1e-9, 0.2 * depth);
        let inside = (depth - top - bottom) / depth;
        let knot = |n: usize| match n {
            0 => (0.0, upper.surface),
            1 => (top, upper.front),
            n if n < stations + 2 => {
                let (z, t) = self.on_axis(n - 2);
                (top + z * inside, t)
            }
            n if n == stations + 2 => (depth - bottom, lower.front),
            _ => (depth, lower.surface),
        };
        let mut n = 0;
        for i in 0..count {
            let z = depth * i as f64 / (count - 1) as f64;
            while n + 1 < stations + 3 && knot(n + 1).0 < z {
                n += 1;
            }
            let (z0, t0) = knot(n);
            let (z1, t1) = knot(n + 1);
            let part = if z1 > z0 {
                ((z - z0) / (z1 - z0)).clamp(0.0, 1.0)
            } else {
                0.0
            };
            out.push(t0 + part * (t1 - t0));
        }
    }
}

/// Share of a patch that is reached from one direction.
const fn reached(facing: Facing, looking: Looking) -> f64 {
    let upward = match facing {
        Facing::Vertical(up) => up,
        Facing::Side => 0.5,
        Facing::Cavity => 0.0,
    };
    match looking {
        Looking::Up => upward,
        Looking::Down => 1.0 - upward,
        Looking::Both => 1.0,
    }
}
