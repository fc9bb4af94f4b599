//! The use of places and hands over time.

use super::supper::{Minute, Placed, Supper, Task};

/// Something taken for a while.
#[derive(Debug, Clone, Copy)]
pub struct Taken {
    /// From.
    pub from: Minute,
    /// To.
    pub to: Minute,
    amount: u32,
}

/// Places and hands with what takes them.
#[derive(Debug, Clone)]
pub struct Timeline<'a> {
    supper: &'a Supper,
    places: Vec<Vec<Taken>>,
    hands: Vec<Taken>,
}

impl<'a> Timeline<'a> {
    /// Nothing taken.
    pub fn new(supper: &'a Supper) -> Self {
        Self {
            supper,
            places: vec![Vec::new(); supper.resources.len()],
            hands: Vec::new(),
        }
    }

    /// What takes each place.
    pub fn places(&self) -> &[Vec<Taken>] {
        &self.places
    }

    /// The latest place for a task of such a length that ends no later; nothing where it would begin
    /// before now.
    pub fn latest(&self, task: &Task, length: Minute, end: Minute) -> Option<Placed> {
        let mut start = end - length;
        while start >= self.supper.now {
            match self.in_the_way(task, start, length) {
                None => {
                    return Some(Placed {
                        start,
                        end: start + length,
                    });
                }
                // Nothing later goes: whatever is in the way is there as long.
                Some(earlier) => start = earlier,
            }
        }
        None
    }

    /// The beginning at which a task avoids the conflict that it has now, or `None` without a conflict.
    fn in_the_way(&self, task: &Task, start: Minute, length: Minute) -> Option<Minute> {
        // A task without length takes no place.
        if let Some(stand) = task.stand.filter(|_| length > 0) {
            let taken = self.places.get(stand.resource);
            let room = self.supper.resources.get(stand.resource)?.levels;
            let spare = room.checked_sub(stand.takes);
            let begins = taken.and_then(|taken| overfull(taken, start, start + length, spare));
            if let Some(begins) = begins {
                return Some(begins - length);
            }
        }
        let spare = self.supper.hands.checked_sub(1);
        task.hands.iter().find_map(|moment| {
            let (from, to) = (start + moment.at, start + moment.at + moment.lasts);
            let mut quiet = self.supper.quiet.iter();
            quiet
                .find(|(a, b)| from < *b && to > *a)
                .map(|(a, _)| *a)
                .or_else(|| overfull(&self.hands, from, to, spare))
                .map(|begins| begins - moment.lasts - moment.at)
        })
    }

    /// Puts a task there.
    pub fn take(&mut self, task: &Task, at: Placed) {
        if let Some(stand) = task.stand
            && let Some(place) = self.places.get_mut(stand.resource)
        {
            place.push(Taken {
                from: at.start,
                to: at.end,
                amount: stand.takes,
            });
        }
        self.hands.extend(task.hands.iter().map(|moment| Taken {
            from: at.start + moment.at,
            to: at.start + moment.at + moment.lasts,
            amount: 1,
        }));
    }

    /// Takes the task that was put last out again.
    pub fn undo(&mut self, task: &Task) {
        if let Some(stand) = task.stand
            && let Some(place) = self.places.get_mut(stand.resource)
        {
            place.pop();
        }
        self.hands.truncate(self.hands.len() - task.hands.len());
    }
}

/// The last moment within a span with more use than allowed: the beginning of the first use at that moment. A task
/// has to end by then.
fn overfull(taken: &[Taken], from: Minute, to: Minute, spare: Option<u32>) -> Option<Minute> {
    let Some(spare) = spare else {
        // Nothing ever goes.
        return Some(Minute::MIN / 4);
    };
    let at = |moment: Minute| {
        taken
            .iter()
            .filter(move |one| one.from <= moment && moment < one.to)
    };
    let full = |moment: &Minute| at(*moment).map(|one| one.amount).sum::<u32>() > spare;
    // It only grows where something begins.
    let begins = taken
        .iter()
        .map(|one| one.from)
        .filter(|begins| *begins > from && *begins < to);
    // To end by the beginning of the fullness is the least that helps.
    begins
        .chain(std::iter::once(from))
        .filter(full)
        .max()
        .map(|last| {
            if last > from {
                last
            } else {
                // It is full when the task begins: until before what was last to make it so.
                at(last).map(|one| one.from).max().unwrap_or(last)
            }
        })
}
