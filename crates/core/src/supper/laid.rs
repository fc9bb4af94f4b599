//! A supper in its place: everything by the clock, in words.

use std::sync::Arc;

use super::alternatives::Otherwise;
use super::before::Before;
use super::check::MOST_HANDS;
use super::dishes::{Cook, Table, stands_in};
use super::shopping::{Purchase, seasoned, shopping};
use super::wish::{BegunTask, Wish, WishedCook};
use crate::plan::{Plan, Request, Step, StepKind};
use crate::prep::{Ahead, Amount, Clock};
use crate::schedule::{
    self, Change, Clash, HandsOn, Minute, PlaceKind, Placed, Resource, Scarce, Schedule, Task,
    TaskKey, whole_minutes,
};
use crate::side::Side;
use crate::units::{Interval, Message, Quantity, Temperature};

/// A loss below this is little.
const LITTLE: f64 = 15.0;

/// Everything in its place, or why that cannot be.
#[derive(Debug, Clone, PartialEq)]
pub struct Laid {
    /// When it is served.
    pub serve: Minute,
    /// When the first task begins.
    pub begins: Minute,
    /// Whether every order was looked at.
    pub proven: bool,
    /// Places.
    pub places: Vec<Resource>,
    /// Dishes, in the order of the wish.
    pub dishes: Vec<LaidDish>,
    /// Everything by the clock: when hands are needed.
    pub agenda: Vec<Moment>,
    /// What begins at another time than before.
    pub moved: Vec<Moved>,
    /// What to buy.
    pub shopping: Vec<Purchase>,
    /// What has begun, of the tasks that there are now.
    pub begun: Vec<BegunTask>,
    /// What is in the way; then everything stands where it is asked for.
    pub infeasibility: Option<Message>,
    /// Where too much is asked for.
    pub clashes: Vec<LaidClash>,
    /// What would make it possible.
    pub alternatives: Vec<Alternative>,
    /// Whether more might: only what is found at once was looked for.
    pub more: bool,
}

/// A dish in its place.
#[derive(Debug, Clone, PartialEq)]
pub struct LaidDish {
    /// Its identity.
    pub id: String,
    /// The cook's name for it.
    pub name: String,
    /// When it is ready.
    pub ready: Minute,
    /// What it loses by waiting.
    pub loses: Loss,
    /// Its tasks.
    pub tasks: Vec<LaidTask>,
    /// What goes on the meat of a cook.
    pub amounts: Vec<Amount>,
    /// What is asked of a cook, with what joins it.
    pub request: Option<Request>,
    /// The plan of a cook.
    pub plan: Option<Arc<Plan>>,
    /// Until when a cook cooks.
    pub core_target: Option<Temperature>,
    /// When the meat of a cook goes in.
    pub load: Option<Minute>,
}

/// What a dish loses by waiting.
#[derive(Debug, Clone, Copy, PartialEq, Eq)]
pub enum Loss {
    /// Nothing.
    Nothing,
    /// Little.
    Little,
    /// Much.
    Much,
}

/// A task in its place.
#[derive(Debug, Clone, PartialEq)]
pub struct LaidTask {
    /// Which of the dish's.
    pub key: TaskKey,
    /// What.
    pub name: String,
    /// From and to.
    pub placed: Placed,
    /// Where, by the number of the place; nothing on the counter.
    pub place: Option<usize>,
    /// Whether it has begun.
    pub begun: bool,
}

/// A moment that needs hands.
#[derive(Debug, Clone, PartialEq)]
pub struct Moment {
    /// When.
    pub at: Minute,
    /// Until.
    pub end: Minute,
    /// What.
    pub what: String,
    /// Of which dish, by its number.
    pub dish: usize,
    /// Of which of its tasks, by its number.
    pub task: usize,
    /// Which of its moments, from 0.
    pub moment: usize,
    /// The steps of the cook's plan that it stands for, by their numbers; none outside a cook.
    pub steps: Vec<usize>,
    /// Why, with numbers.
    pub notes: Vec<Message>,
    /// What can hurt.
    pub caution: Option<String>,
}

/// A task that moved.
#[derive(Debug, Clone, PartialEq)]
pub struct Moved {
    /// What.
    pub what: String,
    /// From.
    pub from: Minute,
    /// To.
    pub to: Minute,
}

/// Where too much is asked for.
#[derive(Debug, Clone, PartialEq)]
pub struct LaidClash {
    /// From.
    pub from: Minute,
    /// To.
    pub to: Minute,
    /// Place, by its number; nothing for the counter and for hands.
    pub place: Option<usize>,
    /// Whether it is hands there are not enough of.
    pub hands: bool,
    /// What is in the way of what.
    pub what: String,
}

/// Something that makes an impossible supper possible.
#[derive(Debug, Clone, PartialEq)]
pub struct Alternative {
    /// What to change, in words.
    pub words: Message,
    /// What that does, besides making it possible.
    pub effect: Option<String>,
    /// When it is served then.
    pub serve: Minute,
    /// The changes; nothing where something must be bought or borrowed first.
    pub changes: Option<Vec<WishChange>>,
}

/// What is changed of a wish.
#[derive(Debug, Clone, PartialEq)]
pub enum WishChange {
    /// So many minutes later.
    Later(Minute),
    /// No quiet hours.
    WaiveQuietHours,
    /// One more pair of hands.
    AnotherHand,
    /// One more ring of the hob.
    AnotherRing,
    /// One more shelf of the fridge.
    AnotherShelf,
    /// The side of this number wanted otherwise.
    Side {
        /// Number of the dish.
        number: usize,
        /// As it is wanted then.
        side: Box<Side>,
    },
    /// The cook of this dish wanted otherwise; what had begun of it has not.
    Otherwise {
        /// Number of the dish.
        number: usize,
        /// As it is wanted then.
        cook: Box<WishedCook>,
    },
}

/// How a plan says that an empty machine is switched on.
const SWITCHED_ON: &str = " on, empty";

impl Table {
    /// Everything in its place.
    pub(super) fn laid(&self, wish: &Wish, found: &Schedule, before: Option<&Before>) -> Laid {
        let dishes: Vec<LaidDish> = found
            .dishes
            .iter()
            .enumerate()
            .filter_map(|(number, placed)| self.laid_dish(wish, number, placed, found))
            .collect();
        Laid {
            serve: found.serve,
            begins: found.begins(),
            proven: found.proven,
            places: self.places.resources.clone(),
            agenda: self.agenda(wish, found),
            moved: before.map_or_else(Vec::new, |before| self.moved(before, found)),
            dishes,
            shopping: shopping(wish, &self.cooks),
            begun: wish.begun.clone(),
            infeasibility: None,
            clashes: Vec::new(),
            alternatives: Vec::new(),
            more: false,
        }
    }

    fn laid_dish(
        &self,
        wish: &Wish,
        number: usize,
        placed: &[Placed],
        found: &Schedule,
    ) -> Option<LaidDish> {
        let (id, dish) = (self.ids.get(number)?, self.dishes.get(number)?);
        let cook = self.cooks.get(number)?.as_ref();
        let ready = placed.last().map_or(found.serve, |last| last.end);
        // Longer than it can wait is as bad as that.
        let waited = (found.serve - ready).min(dish.waiting.longest);
        let lost = dish.waiting.loss(waited).unwrap_or(0.0);
        let begun = |task: &Task| {
            let mut known = wish.begun.iter();
            known.any(|one| one.dish == *id && one.task == task.key && one.moments > 0)
        };
        let load = cook.and_then(|cook| {
            let mut placed = dish.tasks.iter().zip(placed);
            let (_, at) = placed.find(|(task, _)| stands_in(task, cook.machine))?;
            Some(at.start + cook.plan.preheat.map_or(0, whole_minutes))
        });
        Some(LaidDish {
            id: id.clone(),
            name: dish.name.clone(),
            ready,
            loses: if lost <= 0.0 {
                Loss::Nothing
            } else if lost < LITTLE {
                Loss::Little
            } else {
                Loss::Much
            },
            tasks: dish
                .tasks
                .iter()
                .zip(placed)
                .map(|(task, placed)| LaidTask {
                    key: task.key.clone(),
                    name: task.name.clone(),
                    placed: *placed,
                    place: task.stand.map(|stand| stand.resource),
                    begun: begun(task),
                })
                .collect(),
            amounts: cook.map_or_else(Vec::new, seasoned),
            request: cook.map(|cook| cook.request.clone()),
            plan: cook.map(|cook| Arc::clone(&cook.plan)),
            core_target: cook.map(|cook| cook.request.target),
            load,
        })
    }

    /// Every moment of hands, by the clock.
    fn agenda(&self, wish: &Wish, found: &Schedule) -> Vec<Moment> {
        let mut agenda = Vec::new();
        for (n, (dish, placed)) in self.dishes.iter().zip(&found.dishes).enumerate() {
            for (m, (task, at)) in dish.tasks.iter().zip(placed).enumerate() {
                for (k, hands) in task.hands.iter().enumerate() {
                    let (notes, mut cautions) = self.known(wish, n, task, hands);
                    if task.key == TaskKey::Cook && k == 0 {
                        cautions.extend(self.raw_for_long(n, placed));
                    }
                    agenda.push(Moment {
                        at: at.start + hands.at,
                        end: at.start + hands.at + hands.lasts,
                        what: self.said(found, task, *at, hands),
                        dish: n,
                        task: m,
                        moment: k,
                        steps: hands.steps.clone(),
                        notes,
                        caution: (!cautions.is_empty()).then(|| cautions.join(" ")),
                    });
                }
            }
        }
        agenda.sort_by_key(|moment| (moment.at, moment.dish));
        agenda
    }

    /// The clock of raw meat over the tasks of a dish as they were placed: those on the counter, and what
    /// lies between them. What is prepared waits for its machine in the fridge.
    fn raw_for_long(&self, number: usize, placed: &[Placed]) -> Option<String> {
        let cook = self.cooks.get(number)?.as_ref()?;
        let tasks = &self.dishes.get(number)?.tasks;
        let preparing = |key: &TaskKey| matches!(key, TaskKey::Prepare(_));
        let mut raw: Minute = 0;
        let mut out_since: Option<Minute> = None;
        for (task, at) in tasks
            .iter()
            .zip(placed)
            .filter(|(task, _)| preparing(&task.key))
        {
            let since = out_since.unwrap_or(at.start);
            if task.stand.is_none() {
                raw += at.end - since;
                out_since = Some(at.end);
            } else {
                // Into the fridge, or into the pot.
                raw += at.start - since;
                out_since = None;
            }
        }
        let hot = Ahead::is_hot(cook.request.room);
        let limit = whole_minutes(Clock::Raw.limit(cook.request.entry().animal.is_poultry(), hot));
        (raw > limit).then(|| {
            format!(
                "Out of the fridge for {raw} min before this, and {limit} are the most: {}.",
                Clock::Raw.way_out()
            )
        })
    }

    /// What hands do then: a machine that something has just come out of is not switched on again.
    fn said(&self, found: &Schedule, task: &Task, at: Placed, hands: &HandsOn) -> String {
        /// A machine stays hot for about so long, min (common practice).
        const HOT: Minute = 15;
        let what = hands.what.clone();
        let (Some(stand), Some((switched, rest))) = (task.stand, what.split_once(SWITCHED_ON))
        else {
            return what;
        };
        let mut used = self
            .dishes
            .iter()
            .zip(&found.dishes)
            .flat_map(|(dish, placed)| {
                let uses = |task: &Task| {
                    task.stand
                        .is_some_and(|other| other.resource == stand.resource)
                };
                dish.tasks
                    .iter()
                    .zip(placed)
                    .filter(move |(task, _)| uses(task))
                    .map(|(_, placed)| placed.end)
            });
        if used.any(|end| end <= at.start && at.start - end <= HOT) {
            let machine = switched.trim_start_matches("Switch ");
            format!("Set {machine}, which is hot already{rest}")
        } else {
            what
        }
    }

    /// The dial for a side that is alone in the machine: as its step says, or as hot as the machine goes.
    fn alone(&self, wish: &Wish, dish: usize, task: &Task, hands: &HandsOn) -> Option<Message> {
        let hottest = self.hottest(task.stand?.resource)?;
        let tasks = &self.dishes.get(dish)?.tasks;
        let number = tasks.iter().position(|known| known.key == task.key)?;
        let step = wish.side(dish)?.side.steps.get(number)?;
        if hands.at > 0 {
            return None;
        }
        Some(match step.setting {
            Some(setting) if setting <= hottest => {
                Message::with("at {}", [Quantity::Setting(setting)])
            }
            _ => Message::with("at {}, as hot as it goes", [Quantity::Setting(hottest)]),
        })
    }

    /// The highest setting of a machine that is cooked in; nothing for the hob and the fridge.
    fn hottest(&self, machine: usize) -> Option<Temperature> {
        let mut cooks = self.cooks.iter().flatten();
        let cook = cooks.find(|cook| cook.machine == machine)?;
        Some(cook.request.machine.highest)
    }

    /// What there is to know at a moment: why, with which numbers, and what can hurt.
    fn known(
        &self,
        wish: &Wish,
        dish: usize,
        task: &Task,
        hands: &HandsOn,
    ) -> (Vec<Message>, Vec<String>) {
        let cook = self.cooks.get(dish).and_then(Option::as_ref);
        let Some(cook) = cook else {
            return (
                self.alone(wish, dish, task, hands).into_iter().collect(),
                Vec::new(),
            );
        };
        let steps = || {
            let numbers = hands.steps.iter();
            numbers.filter_map(|step| cook.plan.steps.get(*step))
        };
        let mut ahead = cook
            .method
            .tasks
            .iter()
            .filter(|known| hands.steps.is_empty() && known.name == task.name);
        let ahead = ahead.next();
        let why = ahead.map(|task| Message::plain(task.reason.clone()));
        // Hands are asked for at its beginning only: nobody gets up at night to turn a bag.
        let halfway = ahead.and_then(|task| task.halfway.as_ref());
        let halfway = halfway.map(|order| Message::plain(format!("{order} once, about half-way")));
        let notes = steps()
            .flat_map(|step| [dialled(cook, step), Some(step.reason.clone())])
            .flatten()
            .chain(why)
            .chain(halfway)
            .filter(|note| !note.text.is_empty())
            .collect();
        let of_steps = steps().filter_map(|step| step.caution.map(str::to_owned));
        let mut cautions: Vec<String> = of_steps
            .chain(ahead.and_then(|task| task.caution.clone()))
            .collect();
        cautions.dedup();
        (notes, cautions)
    }

    /// What begins at another time than before.
    fn moved(&self, before: &Before, found: &Schedule) -> Vec<Moved> {
        let dishes = self.ids.iter().zip(&self.dishes).zip(&found.dishes);
        dishes
            .flat_map(|((id, dish), placed)| {
                let tasks = dish.tasks.iter().zip(placed).enumerate();
                tasks.filter_map(move |(number, (task, at))| {
                    let from = before.place(id, number, task)?.start;
                    (from != at.start).then(|| Moved {
                        what: task.name.clone(),
                        from,
                        to: at.start,
                    })
                })
            })
            .collect()
    }

    /// Where too much is asked for.
    pub(super) fn clash(&self, clash: &Clash) -> LaidClash {
        let dish = |number: &usize| self.dishes.get(*number);
        let names: Vec<&str> = clash
            .dishes
            .iter()
            .filter_map(dish)
            .map(|dish| dish.name.as_str())
            .collect();
        let all = names.join(" and ");
        let (place, what) = match clash.of {
            Scarce::Room(number) => {
                let place = self.places.resources.get(number);
                let name = place.map_or("", |place| place.name.as_str());
                (Some(number), format!("{all} at once in {name}"))
            }
            Scarce::Hands => (None, format!("{all} need hands at once")),
            Scarce::Time(number) => {
                let tasks = clash.dishes.first().and_then(dish).map(|dish| &dish.tasks);
                let task = tasks.and_then(|tasks| tasks.get(number));
                let stand = task.and_then(|task| task.stand);
                (
                    stand.map(|stand| stand.resource),
                    format!("{} is past", task.map_or(all, |task| task.name.clone())),
                )
            }
        };
        LaidClash {
            from: clash.from,
            to: clash.to,
            place,
            hands: clash.of == Scarce::Hands,
            what,
        }
    }

    /// What makes it possible, in words and as changes of the wish.
    pub(super) fn alternative(
        &self,
        wish: &Wish,
        possible: &schedule::Alternative,
        others: &[Otherwise],
    ) -> Option<Alternative> {
        let told: Vec<(String, Option<String>, Option<WishChange>)> = possible
            .changes
            .iter()
            .map(|change| self.change(wish, *change, others))
            .collect::<Option<_>>()?;
        let words: Vec<&str> = told.iter().map(|(words, ..)| words.as_str()).collect();
        let effects: Vec<&str> = told
            .iter()
            .filter_map(|(_, effect, _)| effect.as_deref())
            .collect();
        Some(Alternative {
            words: Message::plain(words.join(", and ")),
            effect: (!effects.is_empty()).then(|| effects.join("; ")),
            serve: possible.schedule.serve,
            changes: told.into_iter().map(|(_, _, change)| change).collect(),
        })
    }

    /// One change: in words, what it does, and as a change of the wish.
    fn change(
        &self,
        wish: &Wish,
        change: Change,
        others: &[Otherwise],
    ) -> Option<(String, Option<String>, Option<WishChange>)> {
        let told = |words: &str, change| (words.to_owned(), None, change);
        Some(match change {
            Change::Later(minutes) => told("eat later", Some(WishChange::Later(minutes))),
            Change::WaiveQuietHours => told(
                "work in the hours you said nobody does",
                Some(WishChange::WaiveQuietHours),
            ),
            Change::AnotherHand => told(
                "a second pair of hands",
                (wish.hands < MOST_HANDS).then_some(WishChange::AnotherHand),
            ),
            Change::AnotherPlace(number) => {
                let place = self.places.resources.get(number)?;
                match place.kind {
                    PlaceKind::Hob => {
                        told("another ring of the hob", Some(WishChange::AnotherRing))
                    }
                    PlaceKind::Fridge => told(
                        "another shelf of the fridge",
                        Some(WishChange::AnotherShelf),
                    ),
                    PlaceKind::Machine => {
                        told(&format!("another machine like {}", place.name), None)
                    }
                }
            }
            Change::Instead(number) => {
                let other = others.get(number)?;
                let change = WishChange::Otherwise {
                    number: other.number,
                    cook: Box::new(other.cook.clone()),
                };
                (
                    other.words.clone(),
                    Some(other.effect.clone()),
                    Some(change),
                )
            }
        })
    }
}

/// A step in minutes from its own loading, as the machine's timer counts: what is dialled when a batch goes
/// in, and after how long hands are needed. Nothing for what is not done in the machine.
fn dialled(cook: &Cook, step: &Step) -> Option<Message> {
    let whole =
        |time: Interval| Quantity::Time(Interval::from_minutes(time.minutes().round().max(1.0)));
    let loaded = cook.plan.loaded(step.batch)?;
    match step.kind {
        StepKind::Load => {
            let dial = if step.batch > 1 {
                cook.plan.setting
            } else {
                cook.request.first_setting()
            };
            let timer = whole(cook.plan.timer(step.batch)?);
            Some(Message::with("{} for {}", [Quantity::Setting(dial), timer]))
        }
        StepKind::Turn | StepKind::Sauce | StepKind::Set | StepKind::Check | StepKind::Pull => {
            let since = step.at.seconds() - loaded.seconds();
            Some(Message::with(
                "after {}",
                [whole(Interval::from_seconds(since))],
            ))
        }
        _ => None,
    }
}
