//! Thermometers that send by themselves: what they send is dated by the server's clock, kept once, and read by
//! the cook a channel is stuck in.

use chrono::{DateTime, Duration, Utc};
use diesel::{Connection, PgConnection};
use uuid::Uuid;

use crate::access::links::{self, LinkKind};
use crate::db::households;
use crate::db::thermometers::{self as rows, Channel, Reading, Thermometer};
use crate::documents::{Made, again};
use crate::dto::thermometer::{
    ChannelDto, ChannelKindDto, ChannelTieDto, ReadingsDto, SentReadingDto, TakenReadingsDto,
    ThermometerDto,
};
use crate::error::ApiError;
use crate::text::Limit;
use crate::{db, text};

/// Readings that may be sent at once.
pub const MOST: usize = 1000;
/// Readings of a thermometer that are kept of a day: one every ten seconds on two channels is 17,280.
pub const MOST_A_DAY: i64 = 50_000;
/// Thermometers that a kitchen may have.
pub const MOST_THERMOMETERS: usize = 50;
/// Channels that a thermometer may have.
pub const MOST_CHANNELS: u32 = 64;
/// The longest name of a piece, characters.
const PIECE: Limit = Limit { min: 1, max: 40 };
/// What a thermometer shows, °C: other values are how it says that it has no probe.
const SHOWN: std::ops::RangeInclusive<f64> = -40.0..=400.0;
/// Older readings belong to no cook that is under way.
const LONGEST: Duration = Duration::days(1);

fn number(n: i32) -> u32 {
    u32::try_from(n).unwrap_or_default()
}

fn stored(n: u32) -> i32 {
    i32::try_from(n).unwrap_or(i32::MAX)
}

/// All of them, with what each channel said last.
///
/// # Errors
/// Those of the database.
pub fn all(connection: &mut PgConnection) -> Result<Vec<ThermometerDto>, ApiError> {
    let found = rows::list(connection)?;
    whole(connection, found)
}

fn whole(
    connection: &mut PgConnection,
    found: Vec<Thermometer>,
) -> Result<Vec<ThermometerDto>, ApiError> {
    let ids: Vec<Uuid> = found.iter().map(|one| one.id).collect();
    let channels = rows::channels(connection, &ids)?;
    let latest = rows::latest(connection, &ids)?;
    let channel = |row: &Channel| {
        let last = latest
            .iter()
            .find(|one| one.thermometer_id == row.thermometer_id && one.channel == row.channel);
        ChannelDto {
            channel: number(row.channel),
            kind: ChannelKindDto::read(&row.kind),
            cook: row.cook_id,
            batch: row.batch.map(number),
            piece: row.piece.clone(),
            latest_c: last.map(|one| one.celsius),
            latest_at: last.map(|one| one.at),
        }
    };
    let items = found.into_iter().map(|one| ThermometerDto {
        channels: channels
            .iter()
            .filter(|row| row.thermometer_id == one.id)
            .map(channel)
            .collect(),
        id: one.id,
        name: one.name,
        token: None,
        created_at: one.created_at,
    });
    Ok(items.collect())
}

fn one(connection: &mut PgConnection, id: Uuid) -> Result<ThermometerDto, ApiError> {
    let found = rows::find(connection, id)?;
    let items = whole(connection, found.into_iter().collect())?;
    items
        .into_iter()
        .next()
        .ok_or(ApiError::NotFound("thermometer"))
}

/// Adds one under an identity. The same wish again finds the one that is there.
///
/// # Errors
/// A name that does not fit, or an identity of another one.
pub fn add(
    connection: &mut PgConnection,
    id: Uuid,
    name: &str,
    now: DateTime<Utc>,
) -> Result<Made<ThermometerDto>, ApiError> {
    let name = text::named("name", name, text::MACHINE_NAME)?;
    let row = Thermometer {
        id,
        name: name.to_owned(),
        created_at: now,
    };
    if rows::list(connection)?.len() >= MOST_THERMOMETERS && rows::find(connection, id)?.is_none() {
        return Err(ApiError::full(
            "thermometers",
            MOST_THERMOMETERS,
            "remove one of them first",
        ));
    }
    if rows::insert(connection, &row)? > 0 {
        return Ok(Made::New(addressed(connection, id, now)?));
    }
    let known = rows::find(connection, id)?.ok_or(ApiError::NotFound("thermometer"))?;
    again(known.name == name, || one(connection, id))
}

/// Gives one another address; the one before counts no more.
///
/// # Errors
/// That there is none.
pub fn addressed(
    connection: &mut PgConnection,
    id: Uuid,
    now: DateTime<Utc>,
) -> Result<ThermometerDto, ApiError> {
    let known = one(connection, id)?;
    households::end_links_of(connection, LinkKind::Thermometer.word(), id)?;
    let (_, secret) = links::make(connection, LinkKind::Thermometer, Some(id), now)?;
    Ok(ThermometerDto {
        token: Some(secret.reveal().to_owned()),
        ..known
    })
}

/// Removes one with all it said, and its address.
///
/// # Errors
/// That there is none.
pub fn remove(connection: &mut PgConnection, id: Uuid) -> Result<(), ApiError> {
    households::end_links_of(connection, LinkKind::Thermometer.word(), id)?;
    match rows::delete(connection, id)? {
        0 => Err(ApiError::NotFound("thermometer")),
        _ => Ok(()),
    }
}

/// Says what a channel is stuck in.
///
/// # Errors
/// That there is no such thermometer, channel or cook.
pub fn tie(
    connection: &mut PgConnection,
    id: Uuid,
    channel: u32,
    tie: &ChannelTieDto,
) -> Result<ThermometerDto, ApiError> {
    check_channel(channel)?;
    if tie.batch == Some(0) {
        return Err(ApiError::invalid(
            "batch",
            "batches are counted from 1; leave it out for the one in hand".to_owned(),
        ));
    }
    let piece = tie
        .piece
        .as_deref()
        .filter(|piece| !piece.trim().is_empty());
    let piece = piece
        .map(|piece| text::named("piece", piece, PIECE))
        .transpose()?;
    connection.transaction(|connection| {
        rows::find(connection, id)?.ok_or(ApiError::NotFound("thermometer"))?;
        if let Some(cook) = tie.cook {
            db::cooks::find(connection, cook)?.ok_or(ApiError::NotFound("cook"))?;
        }
        rows::tie(
            connection,
            &Channel {
                thermometer_id: id,
                channel: stored(channel),
                kind: tie.kind.word().to_owned(),
                cook_id: tie.cook,
                batch: tie.batch.map(stored),
                piece: piece.map(str::to_owned),
            },
        )?;
        one(connection, id)
    })
}

/// The cook that channel 1 is stuck in.
///
/// # Errors
/// Those of the database.
pub fn first_cook(connection: &mut PgConnection, id: Uuid) -> Result<Option<Uuid>, ApiError> {
    let channels = rows::channels(connection, &[id])?;
    let first = channels.into_iter().find(|row| row.channel == 1);
    Ok(first.and_then(|row| row.cook_id))
}

/// The thermometer that is played for a cook: in its core and in its air.
///
/// # Errors
/// That there is no such cook.
pub fn practise(
    connection: &mut PgConnection,
    id: Uuid,
    cook: Uuid,
    now: DateTime<Utc>,
) -> Result<ThermometerDto, ApiError> {
    add(connection, id, "Practice thermometer", now)?;
    let token = addressed(connection, id, now)?.token;
    let tied = |kind| ChannelTieDto {
        kind,
        cook: Some(cook),
        batch: None,
        piece: None,
    };
    tie(connection, id, 1, &tied(ChannelKindDto::Core))?;
    let played = tie(connection, id, 2, &tied(ChannelKindDto::Air))?;
    Ok(ThermometerDto { token, ..played })
}

fn check_channel(channel: u32) -> Result<(), ApiError> {
    if (1..=MOST_CHANNELS).contains(&channel) {
        return Ok(());
    }
    Err(ApiError::invalid(
        "channel",
        format!("channel {channel} is not within 1-{MOST_CHANNELS}"),
    ))
}

/// Takes what a thermometer sends; also says in which cooks something new was read.
///
/// # Errors
/// That there is none, and too many at once.
pub fn take(
    connection: &mut PgConnection,
    thermometer: Uuid,
    sent: &ReadingsDto,
    now: DateTime<Utc>,
) -> Result<(TakenReadingsDto, Vec<Uuid>), ApiError> {
    if sent.readings.len() > MOST {
        return Err(ApiError::invalid(
            "readings",
            format!(
                "{} readings at once; send at most {MOST} and the others after them",
                sent.readings.len()
            ),
        ));
    }
    for reading in &sent.readings {
        check_channel(reading.channel)?;
    }
    connection.transaction(|connection| {
        let thermometer =
            rows::find(connection, thermometer)?.ok_or(ApiError::NotFound("thermometer"))?;
        let known = rows::channels(connection, &[thermometer.id])?;
        let usable: Vec<Reading> = sent
            .readings
            .iter()
            .filter_map(|one| dated(&thermometer, &known, sent, one, now))
            .collect();
        let ignored = sent.readings.len() - usable.len();
        let new: Vec<Channel> = usable
            .iter()
            .filter(|one| !known.iter().any(|row| row.channel == one.channel))
            .map(|one| Channel {
                thermometer_id: thermometer.id,
                channel: one.channel,
                kind: ChannelKindDto::Core.word().to_owned(),
                cook_id: None,
                batch: None,
                piece: None,
            })
            .collect();
        rows::add_channels(connection, &new)?;
        let taken = rows::append(connection, &usable)?;
        let day = rows::count_since(connection, thermometer.id, now - LONGEST, MOST_A_DAY)?;
        if day > usize::try_from(MOST_A_DAY).unwrap_or(usize::MAX) {
            return Err(ApiError::full(
                "readings of this thermometer in a day",
                MOST_A_DAY,
                "let it send less often",
            ));
        }
        let mut cooks: Vec<Uuid> = Vec::new();
        if taken > 0 {
            cooks.extend(usable.iter().filter_map(|one| one.cook_id));
            cooks.sort_unstable();
            cooks.dedup();
            rows::touch(connection, &cooks)?;
        }
        let count = |n: usize| u32::try_from(n).unwrap_or(u32::MAX);
        let answer = TakenReadingsDto {
            taken: count(taken),
            known: count(usable.len() - taken),
            ignored: count(ignored),
        };
        Ok((answer, cooks))
    })
}

/// A reading by the server's clock, with what its channel is stuck in; nothing where it is none.
fn dated(
    thermometer: &Thermometer,
    channels: &[Channel],
    sent: &ReadingsDto,
    one: &SentReadingDto,
    now: DateTime<Utc>,
) -> Option<Reading> {
    let celsius = sent.unit.celsius(one.value);
    let fast = sent.sent_at.map_or(Duration::zero(), |at| at - now);
    let at = one.at.checked_sub_signed(fast)?.min(now);
    if !SHOWN.contains(&celsius) || now - at > LONGEST {
        return None;
    }
    let channel = channels
        .iter()
        .find(|row| row.channel == stored(one.channel));
    Some(Reading {
        thermometer_id: thermometer.id,
        channel: stored(one.channel),
        device_at: one.at,
        at,
        celsius,
        kind: channel.map_or("core", |row| row.kind.as_str()).to_owned(),
        cook_id: channel.and_then(|row| row.cook_id),
        batch: channel.and_then(|row| row.batch),
    })
}
