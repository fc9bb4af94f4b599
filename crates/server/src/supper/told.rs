//! A schedule in the words and times of the wire.

use std::collections::HashMap;

use chrono::{DateTime, Duration, Utc};
use ember_core::plan::surface;
use ember_core::prep::{Amount, Appetite, portion, quantities};
use ember_core::schedule::{
    Change, Clash, Minute, Placed, Scarce, Schedule, Task, WayOut, whole_minutes,
};
use ember_core::units::Mass;

use super::check::MOST_HANDS;
use super::dishes::{Wanted, stands_in};
use super::ways::Otherwise;
use crate::dto::plan::PictureDto;
use crate::dto::supper::{
    AgendaDto, ClashDto, LaneDto, MovedDto, ScheduledDto, ScheduledTaskDto, ShoppingDto, SupperDto,
    SupperPlanDto, WayDto,
};

/// A loss below this is little.
const LITTLE: f64 = 15.0;

impl Wanted {
    fn at(&self, minute: Minute) -> DateTime<Utc> {
        self.base + Duration::minutes(minute)
    }

    /// Everything in its place.
    pub fn told(
        &self,
        dto: &SupperDto,
        found: &Schedule,
        before: Option<&SupperPlanDto>,
    ) -> SupperPlanDto {
        let dishes: Vec<ScheduledDto> = found
            .dishes
            .iter()
            .enumerate()
            .filter_map(|(number, placed)| self.scheduled(dto, number, placed, found.serve))
            .collect();
        SupperPlanDto {
            serve_at: self.at(found.serve),
            begins_at: self.at(found.begins()),
            proven: found.proven,
            lanes: self
                .places
                .resources
                .iter()
                .map(|place| LaneDto {
                    name: place.name.clone(),
                    room: place.room,
                })
                .collect(),
            agenda: self.agenda(found),
            moved: before.map_or_else(Vec::new, |before| moved(before, &dishes)),
            dishes,
            shopping: self.shopping(dto),
            binding: None,
            clashes: Vec::new(),
            ways: Vec::new(),
        }
    }

    fn scheduled(
        &self,
        dto: &SupperDto,
        number: usize,
        placed: &[Placed],
        serve: Minute,
    ) -> Option<ScheduledDto> {
        let dish = self.dishes.get(number)?;
        let cook = self.cooks.get(number)?.as_ref();
        let ready = placed.last().map_or(serve, |last| last.end);
        let lost = dish.waiting.loss(serve - ready).unwrap_or(0.0);
        let tasks: Vec<ScheduledTaskDto> = dish
            .tasks
            .iter()
            .zip(placed)
            .enumerate()
            .map(|(task_number, (task, at))| ScheduledTaskDto {
                name: task.name.clone(),
                start_at: self.at(at.start),
                end_at: self.at(at.end),
                lane: task
                    .stand
                    .and_then(|stand| u32::try_from(stand.resource).ok()),
                begun: dto.begun.iter().any(|begun| {
                    (begun.dish as usize, begun.task as usize) == (number, task_number)
                        && begun.moments > 0
                }),
            })
            .collect();
        let load_at = cook.and_then(|cook| {
            let mut placed = dish.tasks.iter().zip(placed);
            let (_, at) = placed.find(|(task, _)| stands_in(task, cook.machine))?;
            let before = cook.plan.preheat;
            let before = before.map_or(0, whole_minutes);
            Some(self.at(at.start + before))
        });
        Some(ScheduledDto {
            name: dish.name.clone(),
            ready_at: self.at(ready),
            loses: if lost <= 0.0 {
                "nothing"
            } else if lost < LITTLE {
                "little"
            } else {
                "much"
            }
            .to_owned(),
            picture: cook.map(|cook| PictureDto::of(&cook.plan.picture, None)),
            load_at,
            tasks,
        })
    }

    /// Every moment of hands, and the table, by the clock.
    fn agenda(&self, found: &Schedule) -> Vec<AgendaDto> {
        let number = |n: usize| u32::try_from(n).unwrap_or(u32::MAX);
        let mut agenda: Vec<AgendaDto> = Vec::new();
        for (n, (dish, placed)) in self.dishes.iter().zip(&found.dishes).enumerate() {
            for (m, (task, at)) in dish.tasks.iter().zip(placed).enumerate() {
                for (k, hands) in task.hands.iter().enumerate() {
                    agenda.push(AgendaDto {
                        at: self.at(at.start + hands.at),
                        end_at: self.at(at.start + hands.at + hands.lasts),
                        what: hands.what.clone(),
                        dish: number(n),
                        task: number(m),
                        moment: number(k),
                        caution: self.caution(n, task, &hands.what),
                    });
                }
            }
        }
        agenda.sort_by_key(|moment| (moment.at, moment.dish));
        agenda
    }

    fn caution(&self, dish: usize, task: &Task, what: &str) -> Option<String> {
        let cook = self.cooks.get(dish)?.as_ref()?;
        let steps = cook.plan.steps.iter();
        let of_step = steps
            .filter(|step| what.contains(step.title.as_str()))
            .find_map(|step| step.caution.map(str::to_owned));
        of_step.or_else(|| {
            let tasks = &cook.method.as_ref()?.tasks;
            tasks
                .iter()
                .find(|known| known.name == task.name)?
                .caution
                .clone()
        })
    }

    /// Where too much is asked for.
    pub fn clash(&self, clash: &Clash) -> ClashDto {
        let dish = |number: &usize| self.dishes.get(*number);
        let names: Vec<&str> = clash
            .dishes
            .iter()
            .filter_map(dish)
            .map(|dish| dish.name.as_str())
            .collect();
        let all = names.join(" and ");
        let (lane, what) = match clash.of {
            Scarce::Room(number) => {
                let place = self.places.resources.get(number);
                let name = place.map_or("", |place| place.name.as_str());
                (Some(number), format!("{all} at once in {}", said(name)))
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
        ClashDto {
            start_at: self.at(clash.from),
            end_at: self.at(clash.to),
            lane: lane.and_then(|lane| u32::try_from(lane).ok()),
            hands: clash.of == Scarce::Hands,
            what,
        }
    }

    /// A way out, with the supper that takes it.
    pub fn way(&self, dto: &SupperDto, way: &WayOut, others: &[Otherwise]) -> WayDto {
        let serve_at = self.at(way.schedule.serve);
        let told = |words: &str, supper: Option<SupperDto>| WayDto {
            words: words.to_owned(),
            effect: None,
            serve_at,
            later: false,
            supper,
        };
        let with = |change: &dyn Fn(&mut SupperDto)| {
            let mut supper = dto.clone();
            change(&mut supper);
            Some(supper)
        };
        match way.change {
            Change::Later(minutes) => WayDto {
                later: true,
                ..told(
                    "eat later",
                    with(&|supper| {
                        let later = |at: DateTime<Utc>| at + Duration::minutes(minutes);
                        supper.serve_at = supper.serve_at.map(later);
                        supper.leave_by = supper.leave_by.map(later);
                    }),
                )
            },
            Change::AnotherHand => told(
                "a second pair of hands",
                with(&|supper| supper.hands += 1).filter(|supper| supper.hands <= MOST_HANDS),
            ),
            Change::AnotherPlace(number) => {
                let place = self.places.resources.get(number);
                match place.map_or("", |place| place.name.as_str()) {
                    "hob" => told("another ring of the hob", with(&|supper| supper.rings += 1)),
                    "fridge" => told(
                        "another shelf of the fridge",
                        with(&|supper| supper.shelves += 1),
                    ),
                    machine => told(&format!("another machine like {machine}"), None),
                }
            }
            Change::Instead(number) => match others.get(number) {
                Some(other) => WayDto {
                    effect: Some(other.effect.clone()),
                    ..told(&other.words, Some(other.supper.clone()))
                },
                None => told("", None),
            },
        }
    }

    fn shopping(&self, dto: &SupperDto) -> Vec<ShoppingDto> {
        let mut list = Vec::new();
        let mut amounts: Vec<Amount> = Vec::new();
        let meats = self.cooks.iter().flatten().count().max(1) as u32;
        for cook in self.cooks.iter().flatten() {
            let request = &cook.request;
            let entry = request.entry();
            let grams = (0..request.pieces as usize).map(|piece| request.mass_of(piece).grams());
            let meat = Mass::from_grams(grams.sum());
            // Several meats share the eaters.
            let needed = portion(entry, dto.eaters, Appetite::Usual).grams() / f64::from(meats);
            list.push(ShoppingDto {
                what: entry.plural.to_owned(),
                mass_g: meat.grams(),
                spoons: None,
                needed_g: Some(needed),
            });
            if let Some(method) = &cook.method {
                let blend = cook.blend.as_ref();
                for amount in quantities(&method.seasonings, blend, meat, surface(request)) {
                    match amounts.iter_mut().find(|known| known.what == amount.what) {
                        Some(known) => {
                            let both = known.mass.grams() + amount.mass.grams();
                            known.mass = Mass::from_grams(both);
                        }
                        None => amounts.push(amount),
                    }
                }
            }
        }
        for side in dto.dishes.iter().filter_map(|dish| dish.side.as_ref()) {
            list.push(ShoppingDto {
                what: side.name.clone(),
                mass_g: side.side_mass_g.unwrap_or(0.0),
                spoons: None,
                needed_g: None,
            });
        }
        list.extend(amounts.iter().map(|amount| ShoppingDto {
            what: amount.what.clone(),
            mass_g: amount.weighed().grams(),
            spoons: Some(amount.spoons()),
            needed_g: None,
        }));
        list
    }
}

/// A place with its article.
fn said(place: &str) -> String {
    match place {
        "hob" | "fridge" => format!("the {place}"),
        machine => machine.to_owned(),
    }
}

/// What begins at another time than before.
fn moved(before: &SupperPlanDto, dishes: &[ScheduledDto]) -> Vec<MovedDto> {
    let known: HashMap<(&str, &str), DateTime<Utc>> = before
        .dishes
        .iter()
        .flat_map(|dish| {
            let tasks = dish.tasks.iter();
            tasks.map(|task| ((dish.name.as_str(), task.name.as_str()), task.start_at))
        })
        .collect();
    dishes
        .iter()
        .flat_map(|dish| dish.tasks.iter().map(move |task| (dish, task)))
        .filter_map(|(dish, task)| {
            let from = *known.get(&(dish.name.as_str(), task.name.as_str()))?;
            (from != task.start_at).then(|| MovedDto {
                what: task.name.clone(),
                from,
                to: task.start_at,
            })
        })
        .collect()
}
