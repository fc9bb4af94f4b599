//! Photographs of cooks. An uploaded file is decoded and its pixels are encoded again, so only the picture is stored:
//! no position, camera or name, and no other data in the file.

use std::io::Cursor;

use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};
use image::codecs::jpeg::JpegEncoder;
use image::imageops::{FilterType, overlay};
use image::{DynamicImage, ImageDecoder, ImageFormat, ImageReader, Limits, Rgba, RgbaImage};
use uuid::Uuid;

use crate::db::{self, photos as rows};
use crate::documents::again;
use crate::dto::photo::PhotoDto;
use crate::error::ApiError;
use crate::growth;

/// Photographs of a cook, and as many deleted ones that can be brought back.
pub const MOST: usize = 3;
/// The longest file, kB: the page makes them smaller before it sends them.
pub const LONGEST_KB: usize = 1024;
/// The media type of all stored photographs.
pub const KIND: &str = "image/jpeg";

/// The largest width and height that are decoded, pixels, and the memory for it, bytes.
const LARGEST: u32 = 10_000;
const MOST_MEMORY: u64 = 200 << 20;
/// The longer side of a stored photograph, pixels. A page shows less.
const KEPT: u32 = 2_048;
/// JPEG qualities that are tried until a picture fits [`LONGEST_KB`].
const QUALITIES: [u8; 3] = [85, 70, 50];

/// Decodes an uploaded picture and encodes it as an upright JPEG of a size that pages need.
///
/// # Errors
/// The file is not a JPEG, PNG or WebP, or its picture is too large.
pub fn rewritten(file: &[u8]) -> Result<Vec<u8>, ApiError> {
    let refused = |why: &str| ApiError::invalid("photo", why.to_owned());
    let no_photograph =
        || refused("this is no photograph in JPEG, PNG or WebP; choose another file");
    let mut reader = ImageReader::new(Cursor::new(file))
        .with_guessed_format()
        .map_err(|_| no_photograph())?;
    let known = [ImageFormat::Jpeg, ImageFormat::Png, ImageFormat::WebP];
    if !reader
        .format()
        .is_some_and(|format| known.contains(&format))
    {
        return Err(no_photograph());
    }
    let mut limits = Limits::default();
    limits.max_image_width = Some(LARGEST);
    limits.max_image_height = Some(LARGEST);
    limits.max_alloc = Some(MOST_MEMORY);
    reader.limits(limits);
    let mut decoder = reader.into_decoder().map_err(|error| match error {
        image::ImageError::Limits(_) => too_large(),
        _ => no_photograph(),
    })?;
    let (width, height) = decoder.dimensions();
    if width > LARGEST || height > LARGEST || decoder.total_bytes() > MOST_MEMORY {
        return Err(too_large());
    }
    // The orientation is in the metadata, which is dropped.
    let orientation = decoder.orientation().map_err(|_| no_photograph())?;
    let mut picture = DynamicImage::from_decoder(decoder).map_err(|_| no_photograph())?;
    picture.apply_orientation(orientation);
    if picture.width().max(picture.height()) > KEPT {
        picture = picture.resize(KEPT, KEPT, FilterType::Triangle);
    }
    let picture = on_white(picture).to_rgb8();
    for quality in QUALITIES {
        let mut bytes = Vec::new();
        JpegEncoder::new_with_quality(&mut bytes, quality)
            .encode_image(&picture)
            .map_err(|error| ApiError::Fault(error.into()))?;
        if bytes.len() <= LONGEST_KB * 1024 {
            return Ok(bytes);
        }
    }
    Err(too_large())
}

fn too_large() -> ApiError {
    ApiError::invalid(
        "photo",
        format!(
            "this picture is larger than {LARGEST} by {LARGEST} pixels, or than can be kept; make it smaller"
        ),
    )
}

/// Puts a transparent picture on white; a JPEG would show it on black.
fn on_white(picture: DynamicImage) -> DynamicImage {
    if !picture.color().has_alpha() {
        return picture;
    }
    let white = Rgba([255, 255, 255, 255]);
    let mut paper = RgbaImage::from_pixel(picture.width(), picture.height(), white);
    overlay(&mut paper, &picture.to_rgba8(), 0, 0);
    paper.into()
}

/// Photographs of a cook.
///
/// # Errors
/// That there is no such cook.
pub fn of_cook(connection: &mut PgConnection, cook: Uuid) -> Result<Vec<PhotoDto>, ApiError> {
    db::cooks::find(connection, cook)?.ok_or(ApiError::NotFound("cook"))?;
    let all = rows::of_cook(connection, cook)?.into_iter();
    Ok(all
        .map(|(id, created_at)| PhotoDto { id, created_at })
        .collect())
}

/// Stores a photograph that [`rewritten`] returned. A repeated request finds the stored one.
///
/// # Errors
/// An unknown cook, or the limit of the cook or of the kitchen.
pub fn add(
    connection: &mut PgConnection,
    id: Uuid,
    cook: Uuid,
    rewritten: Vec<u8>,
    now: DateTime<Utc>,
) -> Result<PhotoDto, ApiError> {
    connection.transaction(|connection| {
        // Locked, so that two at once do not pass one another.
        db::cooks::find_locked(connection, cook)?.ok_or(ApiError::NotFound("cook"))?;
        let photo = rows::Photo {
            id,
            cook_id: cook,
            kind: KIND.to_owned(),
            bytes: rewritten,
            created_at: now,
        };
        if rows::insert(connection, &photo)? == 0 {
            let same = rows::cook_of(connection, id)? == Some(cook);
            return again(same, || Ok(())).map(|_| PhotoDto {
                id,
                created_at: now,
            });
        }
        full(connection, cook)?;
        growth::check(connection, "photos")?;
        db::cooks::count_change(connection, cook)?;
        Ok(PhotoDto {
            id,
            created_at: now,
        })
    })
}

fn full(connection: &mut PgConnection, cook: Uuid) -> Result<(), ApiError> {
    if rows::of_cook(connection, cook)?.len() > MOST {
        let detail =
            format!("this cook has {MOST} photographs, which is all it may have; delete one first");
        return Err(ApiError::invalid("photo", detail));
    }
    Ok(())
}

/// Deletes a photograph, or restores it. The last [`MOST`] deleted photographs of a cook can be restored; older ones are
/// removed.
///
/// # Errors
/// An unknown photograph, or the limit of the cook.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    deleted_at: Option<DateTime<Utc>>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let cook = rows::cook_of(connection, id)?.ok_or(ApiError::NotFound("photograph"))?;
        db::cooks::find_locked(connection, cook)?.ok_or(ApiError::NotFound("cook"))?;
        rows::set_deleted(connection, id, deleted_at)?;
        full(connection, cook)?;
        rows::forget_deleted(connection, cook, MOST)?;
        db::cooks::count_change(connection, cook)?;
        Ok(())
    })
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    /// A small picture in a format, red above and blue below.
    fn picture(format: ImageFormat) -> Vec<u8> {
        let pixels = image::RgbImage::from_fn(16, 32, |_, y| {
            image::Rgb(if y < 16 { [220, 20, 20] } else { [20, 20, 220] })
        });
        let mut file = Cursor::new(Vec::new());
        DynamicImage::from(pixels)
            .write_to(&mut file, format)
            .unwrap();
        file.into_inner()
    }

    fn holds(bytes: &[u8], text: &[u8]) -> bool {
        bytes.windows(text.len()).any(|part| part == text)
    }

    /// A segment of a JPEG: ITU-T T.81, annex B.
    fn segment(marker: u8, holds: &[u8]) -> Vec<u8> {
        let length = u16::try_from(holds.len() + 2).unwrap().to_be_bytes();
        [&[0xFF, marker], &length[..], holds].concat()
    }

    /// A JPEG with bytes of a made-up position in every place that a file has for them.
    fn with_positions() -> Vec<u8> {
        let plain = picture(ImageFormat::Jpeg);
        let (start, rest) = plain.split_at(2);
        let scan = rest
            .windows(2)
            .position(|pair| pair == [0xFF, 0xDA])
            .unwrap();
        let (head, scan) = rest.split_at(scan);
        let body = scan.strip_suffix(&[0xFF, 0xD9]).unwrap();
        [
            start.to_vec(),
            segment(0xE0, b"JFIF\0\x01\x02\0\0\x01\0\x01\0\0"),
            segment(0xE0, b"GPS in a second application segment"),
            segment(0xE1, b"Exif\0\0GPS 54.1 N 7.9 E"),
            segment(0xFE, b"GPS in a comment"),
            head.to_vec(),
            body.to_vec(),
            segment(0xFE, b"GPS after the first scan"),
            vec![0xFF, 0xD9],
            b"GPS after the end of the image".to_vec(),
        ]
        .concat()
    }

    #[test]
    fn nothing_but_the_picture_is_kept() {
        let before = with_positions();
        let after = rewritten(&before).unwrap();
        assert!(holds(&before, b"GPS") && !holds(&after, b"GPS"));
        assert!(after.ends_with(&[0xFF, 0xD9]));
        let pixels = image::load_from_memory(&after).unwrap().to_rgb8();
        assert_eq!(pixels.dimensions(), (16, 32));
        assert!(pixels.get_pixel(8, 4)[0] > 180);
        let plain = rewritten(&picture(ImageFormat::Jpeg)).unwrap();
        let plain = image::load_from_memory(&plain).unwrap().to_rgb8();
        assert!(plain.get_pixel(8, 4)[0] > 180 && plain.get_pixel(8, 28)[2] > 180);
        // An unknown chunk in a WebP file: RIFF, by its container specification (from memory).
        let mut webp = picture(ImageFormat::WebP);
        webp.extend([&b"GPSS"[..], &8_u32.to_le_bytes(), b"GPS 54.1"].concat());
        let size = u32::try_from(webp.len() - 8).unwrap().to_le_bytes();
        webp.splice(4..8, size);
        assert!(!holds(&rewritten(&webp).unwrap(), b"GPS"));
        let png = [&picture(ImageFormat::Png)[..], b"GPS behind"].concat();
        assert!(!holds(&rewritten(&png).unwrap(), b"GPS"));
        // A stored photograph keeps its size.
        let again = rewritten(&after).unwrap();
        assert_eq!(
            image::load_from_memory(&again)
                .unwrap()
                .to_rgb8()
                .dimensions(),
            (16, 32)
        );
    }

    /// How the phone was held: EXIF's tag 0x0112 (from memory), 6 for a quarter turn.
    #[test]
    fn a_picture_stands_upright() {
        let plain = picture(ImageFormat::Jpeg);
        let exif = [
            &b"Exif\0\0MM\0\x2A\0\0\0\x08\0\x01"[..],
            &[0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0],
            &[0, 0, 0, 0],
        ]
        .concat();
        let held = [&plain[..2], &segment(0xE1, &exif), &plain[2..]].concat();
        let upright = image::load_from_memory(&rewritten(&held).unwrap()).unwrap();
        assert_eq!((upright.width(), upright.height()), (32, 16));
    }

    #[test]
    fn what_is_no_photograph_is_refused() {
        let mut wide = picture(ImageFormat::Png);
        // Its head says that it is 100,000 pixels wide and high (PNG, 11.2.1: IHDR).
        let sides = [100_000_u32.to_be_bytes(), 100_000_u32.to_be_bytes()].concat();
        wide.splice(16..24, sides);
        for file in [
            &b"<html><script>alert(1)</script>"[..],
            b"GIF89a",
            b"",
            b"\xFF\xD8\xFFnothing",
            b"\x89PNG\r\n\x1a\nalert(1)",
            &wide,
        ] {
            assert!(rewritten(file).is_err(), "{:?}", file.get(..8));
        }
    }
}
