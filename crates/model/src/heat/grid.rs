//! Finite volumes for the bodies of [`crate::geometry`].
#![allow(
    clippy::indexing_slicing,
    reason = "built once; every index runs over the two cell counts that sized the arrays"
)]

use std::f64::consts::PI;

use super::stencil::{Known, Powers, Section, Wanted, weights};
use crate::geometry::Body;
use crate::meat::Bone;

/// Which way a boundary patch looks, and so which heat it gets.
#[derive(Debug, Clone, Copy, PartialEq)]
pub enum Facing {
    /// A mixture of up (1) and down (0): the height of the patch's normal, mapped to 0..1.
    Vertical(f64),
    /// Sideways.
    Side,
    /// Into the cavity of a bird.
    Cavity,
}

impl Facing {
    /// Whether it belongs to the middle of the upper or the lower face.
    #[must_use]
    pub const fn is_seen(self) -> bool {
        matches!(self, Self::Vertical(up) if up > 0.75 || up < 0.25)
    }
}

/// A piece of the outer surface belonging to one boundary cell.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Patch {
    /// Cell behind the patch.
    pub cell: usize,
    /// Area, m².
    pub area: f64,
    /// Heat flowing in by conduction is conductivity times `steep` times the difference between the
    /// surface and what is `reached`, 1/m.
    pub steep: f64,
    /// Weights of the cell behind the patch and of the next two.
    pub reached: [f64; 3],
    /// Which way it looks.
    pub facing: Facing,
    /// Whether the patch lies at the end of a line of the first direction.
    pub first_direction: bool,
    /// From a cell of that line to the next one inwards.
    pub inward: isize,
    /// The patch that takes its place when the piece is turned over.
    pub mirror: usize,
}

/// Where a temperature on the vertical line through the middle is read.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Station {
    /// Depth below the upper face, m.
    pub depth: f64,
    /// Mean across the line: weights of three cells.
    pub weights: [f64; 3],
    /// The cells.
    pub cells: [usize; 3],
    /// The value at the depth: weights of the means of three stations, from the first one named.
    pub from: usize,
    /// Weights.
    pub along: [f64; 3],
}

/// Where the vertical line through the middle leaves the body: weights of three patches.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Pole {
    /// The patches, the nearest first.
    pub patches: [usize; 3],
    /// Weights.
    pub weights: [f64; 3],
}

impl Pole {
    /// One patch alone.
    const fn at(patch: usize) -> Self {
        Self {
            patches: [patch; 3],
            weights: [1.0, 0.0, 0.0],
        }
    }
}

/// The slope between two cells less their difference over their distance, for a difference of one kelvin: weights of
/// four cells from `from` on.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Bend {
    /// First of the four, counted along the line.
    pub from: usize,
    /// Weights.
    pub weights: [f64; 4],
}

/// Cells of one body. Cell `(i, j)` has index `i * columns + j`; `i` counts the first direction
/// (depth from the upper face, or radius outwards), `j` the second (radius, or angle from the top).
#[derive(Debug, Clone, PartialEq)]
pub struct Grid {
    /// The body.
    pub body: Body,
    /// Cells in the first direction.
    pub rows: usize,
    /// Cells in the second direction.
    pub columns: usize,
    /// Volume of each cell, m³.
    pub volume: Vec<f64>,
    /// Area over distance to the next cell of the first direction, m; nought at the end.
    pub link_rows: Vec<f64>,
    /// The same in the second direction.
    pub link_columns: Vec<f64>,
    /// What the neighbours of two cells of the first direction tell of the slope between them.
    pub bend_rows: Vec<Bend>,
    /// The same in the second direction; empty where columns are angles, which differ little.
    pub bend_columns: Vec<Bend>,
    /// Thickness of the cells of each row, m.
    pub row_width: Vec<f64>,
    /// Thickness of the cells of each column, m; empty where columns are angles.
    pub column_width: Vec<f64>,
    /// The outer surface.
    pub patches: Vec<Patch>,
    /// The cell that takes a cell's place when the piece is turned over.
    pub mirror: Vec<usize>,
    /// The cells along the vertical line through the middle, upper face first.
    pub axis: Vec<Station>,
    /// Where that line leaves the body, above and below.
    pub poles: [Pole; 2],
}

/// How much thicker the innermost cell is than the outermost. Finer faces resolve the first
/// minutes; beyond about 4 the error at the centre grows faster than that at the face falls.
const STRETCH: f64 = 1.5;

/// Edges of `count` cells on `0..=size`, graded towards the far end, or towards both.
fn graded(size: f64, count: usize, both_ends: bool) -> Vec<f64> {
    let deepest = if both_ends {
        (count - 1) / 2
    } else {
        count - 1
    };
    let width = |i: usize| {
        let from_end = if both_ends {
            i.min(count - 1 - i)
        } else {
            count - 1 - i
        };
        STRETCH.powf(from_end as f64 / deepest.max(1) as f64)
    };
    let total: f64 = (0..count).map(width).sum();
    let mut edges = Vec::with_capacity(count + 1);
    let mut at = 0.0;
    edges.push(0.0);
    for i in 0..count {
        at += width(i) / total * size;
        edges.push(at);
    }
    edges
}

/// One direction: edges of its cells, and how the section grows along it.
struct Direction {
    edges: Vec<f64>,
    section: Section,
    /// Whether the profile is even about its beginning.
    even: bool,
}

impl Direction {
    fn cells(&self) -> usize {
        self.edges.len() - 1
    }

    fn middle(&self, i: usize) -> f64 {
        f64::midpoint(self.edges[i], self.edges[i + 1])
    }

    fn width(&self, i: usize) -> f64 {
        self.edges[i + 1] - self.edges[i]
    }

    fn widths(&self) -> Vec<f64> {
        (0..self.cells()).map(|i| self.width(i)).collect()
    }

    /// Distance of the middles of a cell and the next.
    fn apart(&self, i: usize) -> f64 {
        self.middle(i + 1) - self.middle(i)
    }

    /// Whether its beginning is the middle of the body and no surface.
    fn whole(&self) -> bool {
        self.edges[0] <= 0.0 && !matches!(self.section, Section::Even)
    }

    fn mean(&self, i: usize) -> Known {
        Known::Mean(self.edges[i], self.edges[i + 1])
    }

    /// The first of `count` cells around one.
    fn first_of(&self, count: usize, around: usize) -> usize {
        around.saturating_sub(count / 2).min(self.cells() - count)
    }

    /// Even powers are worth it beside the axis only, and need few cells.
    fn powers(&self, first: usize) -> Powers {
        if self.even && first == 0 {
            Powers::Even
        } else {
            Powers::All
        }
    }

    /// For every cell and the next: what their neighbours tell.
    fn bends(&self) -> Vec<Bend> {
        let count = self.cells();
        if count < 4 {
            return Vec::new();
        }
        (0..count - 1)
            .map(|i| {
                let from = self.first_of(4, i + 1);
                let known = [0, 1, 2, 3].map(|n| self.mean(from + n));
                let slope = Wanted::Slope(self.edges[i + 1]);
                let mut bend = weights(self.section, self.powers(from), known, slope);
                for weight in &mut bend {
                    *weight *= self.apart(i);
                }
                bend[i - from] += 1.0;
                bend[i + 1 - from] -= 1.0;
                Bend {
                    from,
                    weights: bend,
                }
            })
            .collect()
    }

    /// For a patch at one end: the factor of the slope, and the weights of the cells behind it.
    fn end(&self, last: bool) -> (f64, [f64; 3]) {
        let count = self.cells();
        let (edge, outward) = if last {
            (self.edges[count], 1.0)
        } else {
            (self.edges[0], -1.0)
        };
        let cell = |n: usize| self.mean(if last { count - 1 - n } else { n });
        let known = [Known::Value(edge), cell(0), cell(1), cell(2)];
        let [steep, a, b, c] = weights(self.section, Powers::All, known, Wanted::Slope(edge));
        (outward * steep, [a, b, c].map(|weight| -weight / steep))
    }

    /// The value in the middle of a cell, by three cells from the first one named. Beside a surface, where
    /// the first seconds are steep, it is the mean.
    fn in_the_middle(&self, i: usize) -> (usize, [f64; 3]) {
        let beside = i + 1 == self.cells() || (i == 0 && !self.whole());
        if beside {
            let from = self.first_of(3, i);
            let mut weights = [0.0; 3];
            weights[i - from] = 1.0;
            return (from, weights);
        }
        let from = self.first_of(3, i);
        let known = [0, 1, 2].map(|n| self.mean(from + n));
        let value = Wanted::Value(self.middle(i));
        (from, weights(self.section, self.powers(from), known, value))
    }
}

impl Grid {
    /// The grid plans are computed on: good to 0.1 K against exact solutions.
    ///
    /// ```
    /// use ember_model::{geometry::Body, heat::Grid};
    /// let body = Body::Disc { thickness: 0.04, radius: 0.05 };
    /// let grid = Grid::fine(body);
    /// assert!((grid.volume.iter().sum::<f64>() / body.volume() - 1.0).abs() < 1e-12);
    /// ```
    #[must_use]
    pub fn fine(body: Body) -> Self {
        match body {
            Body::Disc { .. } => Self::new(body, 11, across(body, 7.0, [4.0, 6.0])),
            Body::Bar { .. } => Self::new(body, 8, 6),
            Body::Tube { .. } => Self::new(body, 10, 6),
            Body::Sphere { .. } => Self::new(body, 10, 3),
        }
    }

    /// A coarser grid for searches and what-if: half a kelvin, an eighth of the work.
    #[must_use]
    pub fn coarse(body: Body) -> Self {
        match body {
            Body::Disc { .. } => Self::new(body, 8, across(body, 6.0, [3.0, 5.0])),
            Body::Bar { .. } => Self::new(body, 6, 4),
            Body::Tube { .. } => Self::new(body, 6, 4),
            Body::Sphere { .. } => Self::new(body, 8, 3),
        }
    }

    /// A grid with the given number of cells in each direction, at least three.
    #[must_use]
    pub fn new(body: Body, rows: usize, columns: usize) -> Self {
        let (rows, columns) = (rows.max(3), columns.max(3));
        match body {
            Body::Disc { thickness, radius } => disc(body, thickness, radius, rows, columns),
            Body::Bar { diameter, length } => tube(body, [0.0, diameter], length, rows, columns),
            Body::Tube {
                diameter,
                bore,
                length,
            } => tube(body, [bore, diameter], length, rows, columns),
            Body::Sphere { diameter } => sphere(body, diameter, rows),
        }
    }

    /// Number of cells.
    #[must_use]
    pub fn cells(&self) -> usize {
        self.rows * self.columns
    }

    /// Cells behind a patch from the surface inwards, each with its thickness, m.
    pub fn behind(&self, patch: &Patch) -> impl Iterator<Item = (usize, f64)> {
        let columns = self.columns;
        let rows = patch.first_direction;
        let steps = if rows { self.rows } else { columns };
        let inward = patch.inward;
        let first = patch.cell;
        (0..steps).filter_map(move |n| {
            let cell = first.checked_add_signed(inward * isize::try_from(n).ok()?)?;
            let width = if rows {
                self.row_width.get(cell / columns)
            } else {
                self.column_width.get(cell % columns)
            };
            width.map(|width| (cell, *width))
        })
    }

    /// Share of each cell that is bone, by volume; nothing where it lies nowhere in particular.
    #[must_use]
    pub fn bone(&self, lies: Bone) -> Option<Vec<f64>> {
        /// Number of places in a cell that are examined along each side.
        const LOOKS: usize = 8;
        let rows = edges_of(&self.row_width);
        let shares = match (self.body, lies) {
            (Body::Bar { diameter, .. }, Bone::Shaft { thick }) => {
                let half = 0.5 * thick * diameter;
                let share = |cell: usize| {
                    let [near, far] = rows[cell / self.columns].map(|r| r * r);
                    ((half * half).clamp(near, far) - near) / (far - near)
                };
                (0..self.cells()).map(share).collect()
            }
            (_, Bone::Mixed) => return None,
            (Body::Disc { thickness, radius }, _) => {
                let columns = edges_of(&self.column_width);
                let share = |cell: usize| {
                    let [top, bottom] = rows[cell / self.columns];
                    let [near, far] = columns[cell % self.columns];
                    let at = |n: usize, from: f64, to: f64| {
                        from + (n as f64 + 0.5) / LOOKS as f64 * (to - from)
                    };
                    let (mut bone, mut all) = (0.0, 0.0);
                    for n in 0..LOOKS * LOOKS {
                        let height = at(n / LOOKS, top, bottom) - 0.5 * thickness;
                        let out = at(n % LOOKS, near, far);
                        bone += out * lies.around(height, out, [thickness, radius]);
                        all += out;
                    }
                    bone / all
                };
                (0..self.cells()).map(share).collect()
            }
            _ => return None,
        };
        Some(shares)
    }

    fn empty(body: Body, rows: usize, columns: usize) -> Self {
        let cells = rows * columns;
        Self {
            body,
            rows,
            columns,
            volume: vec![0.0; cells],
            link_rows: vec![0.0; cells],
            link_columns: vec![0.0; cells],
            bend_rows: Vec::new(),
            bend_columns: Vec::new(),
            row_width: Vec::new(),
            column_width: Vec::new(),
            patches: Vec::new(),
            mirror: (0..cells).collect(),
            axis: Vec::new(),
            poles: [Pole::at(0); 2],
        }
    }
}

/// Where cells of the given widths begin and end.
fn edges_of(widths: &[f64]) -> Vec<[f64; 2]> {
    let ends = widths.iter().scan(0.0, |end, width| {
        let begin = *end;
        *end += width;
        Some([begin, *end])
    });
    ends.collect()
}

/// Cells along the radius of a disc: the wider it is for its thickness, the less the way from the
/// side counts in its middle. `squat` is the number for a disc as wide as thick.
fn across(body: Body, squat: f64, [least, most]: [f64; 2]) -> usize {
    let Body::Disc { thickness, radius } = body else {
        return 1;
    };
    (squat * 0.5 * thickness / radius).clamp(least, most) as usize
}

fn disc(body: Body, thickness: f64, radius: f64, rows: usize, columns: usize) -> Grid {
    let z = Direction {
        edges: graded(thickness, rows, true),
        section: Section::Even,
        even: false,
    };
    let r = Direction {
        edges: graded(radius, columns, false),
        section: Section::Round,
        even: true,
    };
    let mut grid = Grid::empty(body, rows, columns);
    let ring = |j: usize| PI * (r.edges[j + 1] * r.edges[j + 1] - r.edges[j] * r.edges[j]);
    for i in 0..rows {
        for j in 0..columns {
            let cell = i * columns + j;
            grid.volume[cell] = ring(j) * z.width(i);
            if i + 1 < rows {
                grid.link_rows[cell] = ring(j) / z.apart(i);
            }
            if j + 1 < columns {
                grid.link_columns[cell] = 2.0 * PI * r.edges[j + 1] * z.width(i) / r.apart(j);
            }
            grid.mirror[cell] = (rows - 1 - i) * columns + j;
        }
    }
    let stride = isize::try_from(columns).unwrap_or(isize::MAX);
    grid.row_width = z.widths();
    grid.column_width = r.widths();
    grid.bend_rows = z.bends();
    grid.bend_columns = r.bends();
    for (i, up) in [(0, 1.0), (rows - 1, 0.0)] {
        let (steep, reached) = z.end(i > 0);
        for j in 0..columns {
            let other_face = if i == 0 { columns + j } else { j };
            grid.patches.push(Patch {
                cell: i * columns + j,
                area: ring(j),
                steep,
                reached,
                facing: Facing::Vertical(up),
                first_direction: true,
                inward: if i == 0 { stride } else { -stride },
                mirror: other_face,
            });
        }
    }
    let (steep, reached) = r.end(true);
    for i in 0..rows {
        grid.patches.push(Patch {
            cell: i * columns + columns - 1,
            area: 2.0 * PI * radius * z.width(i),
            steep,
            reached,
            facing: Facing::Side,
            first_direction: false,
            inward: -1,
            mirror: 2 * columns + rows - 1 - i,
        });
    }
    let known = [0, 1, 2].map(|j| r.mean(j));
    let on_axis = weights(Section::Round, Powers::Even, known, Wanted::Value(0.0));
    grid.axis = (0..rows)
        .map(|i| {
            let (from, along) = z.in_the_middle(i);
            Station {
                depth: z.middle(i),
                weights: on_axis,
                cells: [0, 1, 2].map(|j| i * columns + j),
                from,
                along,
            }
        })
        .collect();
    grid.poles = [0, columns].map(|first| Pole {
        patches: [0, 1, 2].map(|j| first + j),
        weights: on_axis,
    });
    grid
}

/// A round wall between two diameters, or a solid bar where the inner one is nought.
fn tube(body: Body, [bore, diameter]: [f64; 2], length: f64, rows: usize, columns: usize) -> Grid {
    let (inner, radius) = (bore / 2.0, diameter / 2.0);
    let hollow = inner > 0.0;
    let r = Direction {
        edges: graded(radius - inner, rows, hollow)
            .into_iter()
            .map(|depth| inner + depth)
            .collect(),
        section: Section::Round,
        // Up and down the profile goes on through the middle, and what is above differs from what is below.
        even: false,
    };
    let angle = PI / columns as f64;
    let mut grid = Grid::empty(body, rows, columns);
    grid.row_width = r.widths();
    grid.bend_rows = r.bends();
    // Both halves, left and right of the vertical, are carried by one: hence the factors of two.
    for i in 0..rows {
        let [near, far] = [r.edges[i], r.edges[i + 1]];
        for j in 0..columns {
            let cell = i * columns + j;
            grid.volume[cell] = angle * (far * far - near * near) * length;
            if i + 1 < rows {
                grid.link_rows[cell] = 2.0 * angle * far * length / r.apart(i);
            }
            if j + 1 < columns {
                grid.link_columns[cell] = 2.0 * r.width(i) * length / (angle * r.middle(i));
            }
            grid.mirror[cell] = i * columns + columns - 1 - j;
        }
    }
    let stride = isize::try_from(columns).unwrap_or(isize::MAX);
    let (steep, reached) = r.end(true);
    for j in 0..columns {
        let from_top = (j as f64 + 0.5) * angle;
        grid.patches.push(Patch {
            cell: (rows - 1) * columns + j,
            area: 2.0 * angle * radius * length,
            steep,
            reached,
            facing: Facing::Vertical(f64::midpoint(1.0, from_top.cos())),
            first_direction: true,
            inward: -stride,
            mirror: columns - 1 - j,
        });
    }
    if hollow {
        let (steep, reached) = r.end(false);
        for j in 0..columns {
            grid.patches.push(Patch {
                cell: j,
                area: 2.0 * angle * inner * length,
                steep,
                reached,
                facing: Facing::Cavity,
                first_direction: true,
                inward: stride,
                mirror: 2 * columns - 1 - j,
            });
        }
    }
    grid.axis = through_the_middle(&r, columns);
    grid.poles = [0, columns - 1].map(Pole::at);
    grid
}

/// Stations down one radius and up the other.
fn through_the_middle(r: &Direction, columns: usize) -> Vec<Station> {
    let rows = r.cells();
    let (inner, radius) = (r.edges[0], r.edges[rows]);
    let at = |i: usize, column: usize, depth: f64| {
        let (from, along) = r.in_the_middle(i);
        Station {
            depth,
            weights: [1.0, 0.0, 0.0],
            cells: [i * columns + column; 3],
            from,
            along,
        }
    };
    let down = (0..rows).rev().map(|i| {
        let mut station = at(i, 0, radius - r.middle(i));
        // Counted from above, and so are its neighbours.
        station.from = rows - 3 - station.from;
        station.along.reverse();
        station
    });
    let deep = radius - 2.0 * inner;
    let up = (0..rows).map(|i| {
        let mut station = at(i, columns - 1, deep + r.middle(i));
        station.from += rows;
        station
    });
    down.chain(up).collect()
}

fn sphere(body: Body, diameter: f64, rows: usize) -> Grid {
    let radius = diameter / 2.0;
    let r = Direction {
        edges: graded(radius, rows, false),
        section: Section::Ball,
        even: true,
    };
    let mut grid = Grid::empty(body, rows, 1);
    grid.row_width = r.widths();
    grid.bend_rows = r.bends();
    for i in 0..rows {
        let [near, far] = [r.edges[i], r.edges[i + 1]];
        grid.volume[i] = 4.0 / 3.0 * PI * (far.powi(3) - near.powi(3));
        if i + 1 < rows {
            grid.link_rows[i] = 4.0 * PI * far * far / r.apart(i);
        }
    }
    let (steep, reached) = r.end(true);
    grid.patches.push(Patch {
        cell: rows - 1,
        area: 4.0 * PI * radius * radius,
        steep,
        reached,
        facing: Facing::Side,
        first_direction: true,
        inward: -1,
        mirror: 0,
    });
    grid.axis = through_the_middle(&r, 1);
    grid
}
