//! What dishes that queue for the same place must lose.

use super::supper::Minute;
use super::timeline::Taken;

/// A dish that is not put yet, at a place that holds one thing at a time. Times are counted back from
/// the table, so that everything is as early as it can be.
#[derive(Debug, Clone, Copy)]
pub struct Queuing {
    /// Number of the place.
    pub place: usize,
    /// How long it is there.
    pub lasts: Minute,
    /// It cannot leave later than this before the table.
    pub release: Minute,
    /// Time before the table without a loss.
    pub free: Minute,
    /// Loss for each minute more.
    pub per_minute: f64,
    /// What it loses alone beside what is put.
    pub alone: f64,
}

/// A lower bound of the loss of dishes in a queue for a place, beyond the loss of each alone.
///
/// One machine, weighted starts, release dates and times at which it is taken. Where every dish could
/// be in it by parts, taking at every moment the dearest minute of those there is least for the means
/// of their times (mean busy times; Goemans 1997, and Smith's rule; from memory). What is whole leaves
/// half its length before its mean, so that this is never more than the truth.
pub fn queues(mut queuing: Vec<Queuing>, taken: &[Vec<Taken>], serve: Minute) -> f64 {
    queuing.sort_by_key(|one| one.place);
    let queues = queuing.chunk_by(|a, b| a.place == b.place);
    queues
        .map(|queue| {
            let place = queue.first().map_or(0, |one| one.place);
            let alone: f64 = queue.iter().map(|one| one.alone).sum();
            let taken = taken.get(place).map_or(&[][..], Vec::as_slice);
            (by_parts(queue, taken, serve) - alone).max(0.0)
        })
        .sum()
}

/// The loss if every dish may be there in parts, counted from the time without a loss.
fn by_parts(queue: &[Queuing], taken: &[Taken], serve: Minute) -> f64 {
    /// Minutes still to be there, and the sum of the minutes it was.
    #[derive(Clone, Copy)]
    struct Part {
        left: Minute,
        busy: f64,
    }
    let mut parts: Vec<Part> = queue
        .iter()
        .map(|one| Part {
            left: one.lasts,
            busy: 0.0,
        })
        .collect();
    let mut blocks: Vec<(Minute, Minute)> = taken
        .iter()
        .map(|at| (serve - at.to, serve - at.from))
        .collect();
    blocks.sort_unstable();
    let rate = |one: &Queuing| one.per_minute / one.lasts.max(1) as f64;
    let mut now: Minute = Minute::MIN / 4;
    while parts.iter().any(|part| part.left > 0) {
        if let Some((_, until)) = blocks.iter().find(|(from, to)| *from <= now && now < *to) {
            now = *until;
            continue;
        }
        let waiting = || queue.iter().zip(&parts).filter(|(_, part)| part.left > 0);
        let coming = waiting().map(|(one, _)| one.release);
        let arrival = coming.filter(|release| *release > now).min();
        let block = blocks
            .iter()
            .map(|(from, _)| *from)
            .find(|from| *from > now);
        let next = arrival.into_iter().chain(block).min();
        let dearest = queue
            .iter()
            .zip(&mut parts)
            .filter(|(one, part)| part.left > 0 && one.release <= now)
            .max_by(|(a, _), (b, _)| rate(a).total_cmp(&rate(b)));
        match (dearest, next) {
            (Some((_, part)), next) => {
                let length = next.map_or(part.left, |next| part.left.min(next - now));
                part.busy += length as f64 * (now as f64 + 0.5 * length as f64);
                part.left -= length;
                now += length;
            }
            (None, Some(next)) => now = next,
            (None, None) => break,
        }
    }
    queue
        .iter()
        .zip(&parts)
        .map(|(one, part)| {
            let lasts = one.lasts.max(1) as f64;
            let leaves = part.busy / lasts - 0.5 * lasts;
            one.per_minute * (leaves - one.free as f64)
        })
        .sum()
}
