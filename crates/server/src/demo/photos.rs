//! Photographs of the demo kitchen: plain pictures, drawn.

use std::io::Cursor;

use image::{ImageFormat, Rgb, RgbImage};

/// Width and height, pixels.
const SIZE: [u32; 2] = [480, 360];
/// A plate's radius, pixels.
const PLATE: f64 = 160.0;

/// A plate with pieces on it, as a PNG: the same for the same seed.
///
/// # Panics
/// Never: a picture of this size in memory is always written.
#[must_use]
pub fn photograph(seed: u32) -> Vec<u8> {
    let [width, height] = SIZE;
    let picture = RgbImage::from_fn(width, height, |x, y| {
        Rgb(colour(seed, f64::from(x), f64::from(y)))
    });
    let mut file = Cursor::new(Vec::new());
    let written = picture.write_to(&mut file, ImageFormat::Png);
    debug_assert!(written.is_ok());
    file.into_inner()
}

/// What is at a place: the table, the plate on it, the pieces on that.
fn colour(seed: u32, x: f64, y: f64) -> [u8; 3] {
    const TABLE: [u8; 3] = [120, 92, 70];
    const RIM: [u8; 3] = [214, 208, 196];
    const DISH: [u8; 3] = [240, 236, 226];
    let [cx, cy] = [f64::from(SIZE[0]) / 2.0, f64::from(SIZE[1]) / 2.0];
    let from_middle = (x - cx).hypot(y - cy);
    let pieces = 4 + seed % 3;
    for n in 0..pieces {
        let turn = std::f64::consts::TAU * f64::from(n) / f64::from(pieces) + f64::from(seed);
        let (px, py) = (cx + 78.0 * turn.cos(), cy + 70.0 * turn.sin());
        // An oval that lies along its own turn.
        let (dx, dy) = (x - px, y - py);
        let along = (dx * turn.sin() - dy * turn.cos()) / 46.0;
        let across = (dx * turn.cos() + dy * turn.sin()) / 26.0;
        let inside = along.hypot(across);
        if inside < 1.0 {
            // Darker at the edge, as it browns.
            let shade = 1.0 - 0.45 * inside.powi(3) - 0.06 * (along * 9.0).sin();
            return [196.0, 124.0, 58.0].map(|part: f64| (part * shade) as u8);
        }
    }
    if from_middle < 0.86 * PLATE {
        DISH
    } else if from_middle < PLATE {
        RIM
    } else {
        TABLE
    }
}
