//! Layouts: no overlap, inside the floor, gap kept, and near the best that is known.
#![allow(clippy::unwrap_used, clippy::indexing_slicing)]

use ember_core::basket::{Footprint, Layout, batches, capacity, layers, widest, with_gap};
use ember_core::fryer::{Floor, PRESETS};
use ember_core::geometry::Outline;
use ember_core::meat::Silhouette;
use ember_core::units::Length;
use proptest::prelude::*;

fn mm(value: f64) -> Length {
    Length::from_millimetres(value)
}

fn footprint(kind: Silhouette, length: f64, width: f64) -> Footprint {
    Footprint::new(
        kind,
        Outline {
            length: mm(length),
            width: mm(width),
        },
    )
}

fn round(diameter: f64) -> Floor {
    Floor::Round {
        diameter: mm(diameter),
    }
}

/// Points along the outline of a placed piece: its corners grown by the radius in 24 directions.
fn outline(shape: &Footprint, layout: &Layout, piece: usize) -> Vec<[f64; 2]> {
    shape
        .placed(layout.poses[piece])
        .iter()
        .flat_map(|[x, y]| {
            let (x, y) = (*x, *y);
            (0..24).map(move |i| {
                let angle = f64::from(i) * std::f64::consts::TAU / 24.0;
                (x, y, angle)
            })
        })
        .map(|(x, y, angle)| {
            [
                x + shape.radius() * angle.cos(),
                y + shape.radius() * angle.sin(),
            ]
        })
        .collect()
}

/// Source: published best-known packings of equal circles in a circle, ratio of radii (from
/// memory): 7 circles 3.0, 10: 3.813, 12: 4.030, 19: 4.864. Within 5 %.
#[test]
fn circles_in_a_circle_come_near_the_best_known() {
    let radius = 10.0;
    let circle = footprint(Silhouette::Capsule, 2.0 * radius, 2.0 * radius);
    for (pieces, ratio) in [(7, 3.0), (10, 3.813), (12, 4.030), (19, 4.864)] {
        let container = round(2.0 * radius * ratio * 1.05);
        let layout = with_gap(&circle, container, pieces, 0.0);
        assert!(layout.is_some(), "{pieces} circles in {ratio} + 5 %");
        // And a container a tenth too small for the best known holds no layout.
        let small = round(2.0 * radius * ratio * 0.9);
        assert!(with_gap(&circle, small, pieces, 0.0).is_none(), "{pieces}");
    }
}

/// Source: arithmetic. Rectangles that tile a floor exactly, within 5 % of its size.
#[test]
fn tiles_fill_a_floor() {
    for (columns, rows, length, width) in
        [(2, 3, 120.0, 70.0), (3, 3, 80.0, 80.0), (1, 4, 200.0, 50.0)]
    {
        let tile = footprint(Silhouette::Rectangle, length, width);
        let floor = Floor::Rectangular {
            width: mm(length * f64::from(columns) * 1.05),
            depth: mm(width * f64::from(rows) * 1.05),
        };
        assert!(
            with_gap(&tile, floor, columns * rows, 0.0).is_some(),
            "{columns} by {rows}"
        );
    }
}

#[test]
fn batches_are_even_and_complete() {
    let wing = footprint(Silhouette::Capsule, 90.0, 27.0);
    let floor = PRESETS[0].machine().floor;
    for pieces in [1, 5, 12, 23, 40] {
        let layer = layers(&wing, floor, pieces);
        assert_eq!(layer.in_first_batch, pieces.div_ceil(layer.batches));
        assert_eq!(layer.layout.poses.len() as u32, layer.in_first_batch);
        assert!(
            layer.batches == 1 || layer.layout.gap > 7.0,
            "{pieces}: {}",
            layer.layout.gap
        );
        // One batch fewer would not keep the gap.
        if layer.batches > 1 {
            let fewer = pieces.div_ceil(layer.batches - 1);
            let gap = widest(&wing, floor, fewer).gap;
            assert!(gap < 8.5, "{pieces} {} {fewer} {gap}", layer.batches);
        }
    }
    assert!(batches(&wing, floor, 40) >= batches(&wing, floor, 20));
}

/// Two hundred pieces: an answer in bounded time, stacked.
#[test]
fn a_heap_is_called_one() {
    let wing = footprint(Silhouette::Capsule, 90.0, 27.0);
    let layout = widest(&wing, round(220.0), 200);
    assert_eq!(layout.poses.len(), 200);
    assert!(layout.gap < -10.0);
    // One piece larger than the floor.
    let slab = footprint(Silhouette::Rectangle, 400.0, 300.0);
    assert!(widest(&slab, round(220.0), 1).gap < 0.0);
    assert_eq!(capacity(&slab, round(220.0), 8.0, 60), 1);
}

proptest! {
    #![proptest_config(ProptestConfig { cases: 40, ..ProptestConfig::default() })]

    /// What is said of the gap holds along the whole outline, inside the floor.
    #[test]
    fn gaps_are_kept_everywhere(
        kind in prop_oneof![
            Just(Silhouette::Capsule),
            Just(Silhouette::Rounded),
            Just(Silhouette::Rectangle),
            Just(Silhouette::Teardrop),
        ],
        length in 40.0f64..120.0,
        slender in 0.35f64..1.0,
        pieces in 1u32..12,
        preset in 0usize..PRESETS.len(),
    ) {
        let shape = footprint(kind, length, length * slender);
        let floor = PRESETS[preset].machine().floor;
        let Some(layout) = with_gap(&shape, floor, pieces, 8.0) else {
            return Ok(());
        };
        prop_assert!(layout.gap > 7.5);
        let outlines: Vec<_> = (0..pieces as usize).map(|n| outline(&shape, &layout, n)).collect();
        for (n, points) in outlines.iter().enumerate() {
            for [x, y] in points {
                let inside = match floor {
                    Floor::Round { diameter } => diameter.millimetres() / 2.0 - x.hypot(*y),
                    Floor::Rectangular { width, depth } => (width.millimetres() / 2.0 - x.abs())
                        .min(depth.millimetres() / 2.0 - y.abs()),
                };
                prop_assert!(inside > 7.0, "{inside}");
            }
            for other in outlines.iter().skip(n + 1) {
                let nearest = points
                    .iter()
                    .flat_map(|a| other.iter().map(move |b| (a[0] - b[0]).hypot(a[1] - b[1])))
                    .fold(f64::INFINITY, f64::min);
                prop_assert!(nearest > 7.0, "{nearest}");
            }
        }
        // The same again.
        prop_assert_eq!(Some(layout), with_gap(&shape, floor, pieces, 8.0));
    }

    /// More pieces never have more air, as far as every beginning is tried.
    #[test]
    fn more_pieces_have_less_air(
        length in 50.0f64..110.0,
        slender in 0.4f64..1.0,
        pieces in 2u32..7,
    ) {
        let shape = footprint(Silhouette::Rounded, length, length * slender);
        let floor = PRESETS[1].machine().floor;
        let (fewer, more) = (widest(&shape, floor, pieces), widest(&shape, floor, pieces + 2));
        // The search is no proof: a few millimetres of luck.
        prop_assert!(more.gap.min(30.0) <= fewer.gap + 4.0, "{} {}", fewer.gap, more.gap);
    }
}
