//! Photographs of cooks: their kind is read from the file itself, and what a phone writes into it beside the picture
//! - where it was taken, with what, by whom - is taken out before it is kept.

use actix_web::web::Bytes;
use chrono::{DateTime, Utc};
use diesel::{Connection, PgConnection};
use img_parts::jpeg::{Jpeg, markers};
use img_parts::png::Png;
use img_parts::webp::WebP;
use uuid::Uuid;

use crate::db::{self, photos as rows};
use crate::documents::again;
use crate::dto::photo::PhotoDto;
use crate::error::ApiError;

/// Photographs of a cook, and the longest file, kB: the page makes them smaller before it sends them.
pub const MOST: usize = 3;
pub const LONGEST_KB: usize = 1024;

/// A picture's file without anything but the picture, with its media type.
///
/// # Errors
/// That it is none that a browser shows.
pub fn bare(file: Vec<u8>) -> Result<(&'static str, Vec<u8>), ApiError> {
    let refused = || {
        ApiError::invalid(
            "photo",
            "this is no photograph in JPEG, PNG or WebP; choose another file",
        )
    };
    let file = Bytes::from(file);
    match &*file {
        [0xFF, 0xD8, 0xFF, ..] => {
            let mut jpeg = Jpeg::from_bytes(file).map_err(|_| refused())?;
            // Application segments but the first, which says that it is a JPEG, and comments.
            jpeg.segments_mut().retain(|segment| {
                let marker = segment.marker();
                !(markers::APP1..=markers::APP15).contains(&marker) && marker != markers::COM
            });
            Ok(("image/jpeg", jpeg.encoder().bytes().to_vec()))
        }
        [0x89, b'P', b'N', b'G', ..] => {
            let mut png = Png::from_bytes(file).map_err(|_| refused())?;
            // Only what the picture is made of.
            png.chunks_mut().retain(|chunk| {
                [*b"IHDR", *b"PLTE", *b"tRNS", *b"IDAT", *b"IEND"].contains(&chunk.kind())
            });
            Ok(("image/png", png.encoder().bytes().to_vec()))
        }
        [
            b'R',
            b'I',
            b'F',
            b'F',
            _,
            _,
            _,
            _,
            b'W',
            b'E',
            b'B',
            b'P',
            ..,
        ] => {
            let mut webp = WebP::from_bytes(file).map_err(|_| refused())?;
            for kind in [*b"EXIF", *b"XMP ", *b"ICCP"] {
                webp.remove_chunks_by_id(kind);
            }
            Ok(("image/webp", webp.encoder().bytes().to_vec()))
        }
        _ => Err(refused()),
    }
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

/// Keeps one. The same again finds the one that is there.
///
/// # Errors
/// That there is no such cook, that it is no photograph, or that the cook has as many as it may.
pub fn add(
    connection: &mut PgConnection,
    id: Uuid,
    cook: Uuid,
    file: Vec<u8>,
    now: DateTime<Utc>,
) -> Result<PhotoDto, ApiError> {
    connection.transaction(|connection| {
        // Locked, so that two at once do not pass one another.
        db::cooks::find_locked(connection, cook)?.ok_or(ApiError::NotFound("cook"))?;
        let (kind, bytes) = bare(file)?;
        let photo = rows::Photo {
            id,
            cook_id: cook,
            kind: kind.to_owned(),
            bytes,
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

/// Deletes one, or brings it back.
///
/// # Errors
/// That there is none, or the cook has as many as it may.
pub fn set_deleted(
    connection: &mut PgConnection,
    id: Uuid,
    deleted_at: Option<DateTime<Utc>>,
) -> Result<(), ApiError> {
    connection.transaction(|connection| {
        let cook = rows::cook_of(connection, id)?.ok_or(ApiError::NotFound("photograph"))?;
        rows::set_deleted(connection, id, deleted_at)?;
        full(connection, cook)?;
        db::cooks::count_change(connection, cook)?;
        Ok(())
    })
}

#[cfg(test)]
#[allow(clippy::unwrap_used)]
mod tests {
    use super::*;

    /// A JPEG of two segments with bytes of a made-up EXIF between: laid out as ITU-T T.81, annex B has it.
    fn jpeg() -> Vec<u8> {
        let segment = |marker: u8, holds: &[u8]| {
            let length = u16::try_from(holds.len() + 2).unwrap().to_be_bytes();
            [&[0xFF, marker], &length[..], holds].concat()
        };
        [
            vec![0xFF, 0xD8],
            segment(0xE0, b"JFIF\0\x01\x02\0\0\x01\0\x01\0\0"),
            segment(0xE1, b"Exif\0\0GPS 54.1 N 7.9 E"),
            segment(0xFE, b"taken by somebody"),
            segment(0xDB, &[0; 65]),
            segment(0xDA, &[1, 1, 0, 0, 63, 0]),
            vec![0x12, 0x34, 0xFF, 0xD9],
        ]
        .concat()
    }

    #[test]
    fn what_a_phone_writes_beside_the_picture_is_taken_out() {
        let before = jpeg();
        let (kind, after) = bare(before.clone()).unwrap();
        assert_eq!(kind, "image/jpeg");
        let holds = |bytes: &[u8], text: &[u8]| bytes.windows(text.len()).any(|part| part == text);
        assert!(holds(&before, b"GPS") && holds(&before, b"somebody"));
        assert!(!holds(&after, b"GPS") && !holds(&after, b"somebody"));
        assert!(holds(&after, b"JFIF") && holds(&after, &[0x12, 0x34]));
    }

    #[test]
    fn the_kind_is_read_from_the_file() {
        for file in [
            &b"<html><script>"[..],
            b"GIF89a",
            b"",
            b"\xFF\xD8\xFFnothing",
        ] {
            assert!(bare(file.to_vec()).is_err(), "{file:?}");
        }
    }
}
