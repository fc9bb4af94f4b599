//! A schedule in the words and times of the wire.

use std::collections::HashMap;

use chrono::{DateTime, Duration, Utc};
use ember_core::plan::{Message, Quantity};
use ember_core::schedule::{
    Change, Clash, HandsOn, Minute, Placed, Scarce, Schedule, Task, WayOut, whole_minutes,
};

use ember_core::units::Temperature;

use super::check::MOST_HANDS;
use super::dishes::{Wanted, stands_in};
use super::shopping::{seasoned, shopping};
use super::ways::Otherwise;
use crate::dto::plan::PictureDto;
use crate::dto::preparation::AmountDto;
use crate::dto::quantity::MessageDto;
use crate::dto::supper::{
    AgendaDto, ClashDto, LaneDto, MovedDto, ScheduledDto, ScheduledTaskDto, SiteDto, SupperDto,
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
            .filter_map(|(number, placed)| self.scheduled(dto, number, placed, found))
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
            shopping: shopping(dto, &self.cooks),
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
        found: &Schedule,
    ) -> Option<ScheduledDto> {
        let serve = found.serve;
        let dish = self.dishes.get(number)?;
        let cook = self.cooks.get(number)?.as_ref();
        let joined = self.joined(dto, number, found);
        let ready = placed.last().map(|last| last.end).or(joined);
        let ready = ready.unwrap_or(serve);
        // Longer than it can wait is as bad as that.
        let waited = (serve - ready).min(dish.waiting.longest);
        let lost = dish.waiting.loss(waited).unwrap_or(0.0);
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
            amounts: cook.map_or_else(Vec::new, |cook| {
                seasoned(cook).iter().map(AmountDto::from).collect()
            }),
            picture: cook.map(|cook| PictureDto::of(&cook.plan.picture, None)),
            setting_c: cook.map(|cook| cook.plan.setting.celsius()),
            core_target_c: cook.map(|cook| cook.request.target.celsius()),
            load_at,
            tasks,
        })
    }

    /// When what cooks beside the meat comes out with it.
    fn joined(&self, dto: &SupperDto, number: usize, found: &Schedule) -> Option<Minute> {
        let side = dto.dishes.get(number)?.side.as_ref()?;
        let with = side.with.unwrap_or(0) as usize;
        let machine = self.cooks.get(with)?.as_ref()?.machine;
        let mut tasks = self.dishes.get(with)?.tasks.iter();
        let cooks = tasks.position(|task| stands_in(task, machine))?;
        (side.site == SiteDto::Beside).then_some(found.dishes.get(with)?.get(cooks)?.end)
    }

    /// Every moment of hands, and the table, by the clock.
    fn agenda(&self, found: &Schedule) -> Vec<AgendaDto> {
        let number = |n: usize| u32::try_from(n).unwrap_or(u32::MAX);
        let mut agenda: Vec<AgendaDto> = Vec::new();
        for (n, (dish, placed)) in self.dishes.iter().zip(&found.dishes).enumerate() {
            for (m, (task, at)) in dish.tasks.iter().zip(placed).enumerate() {
                for (k, hands) in task.hands.iter().enumerate() {
                    let (notes, cautions) = self.known(n, task, hands);
                    agenda.push(AgendaDto {
                        at: self.at(at.start + hands.at),
                        end_at: self.at(at.start + hands.at + hands.lasts),
                        what: hands.what.clone(),
                        dish: number(n),
                        task: number(m),
                        moment: number(k),
                        notes,
                        caution: (!cautions.is_empty()).then(|| cautions.join(" ")),
                    });
                }
            }
        }
        agenda.sort_by_key(|moment| (moment.at, moment.dish));
        agenda
    }

    /// The highest setting of a machine that is cooked in; nothing for the hob and the fridge.
    fn hottest(&self, machine: usize) -> Option<Temperature> {
        let mut cooks = self.cooks.iter().flatten();
        let cook = cooks.find(|cook| cook.machine == machine)?;
        Some(cook.request.machine.highest)
    }

    /// What there is to know at a moment: why, with which numbers, and what can hurt.
    fn known(&self, dish: usize, task: &Task, hands: &HandsOn) -> (Vec<MessageDto>, Vec<String>) {
        let cook = self.cooks.get(dish).and_then(Option::as_ref);
        let Some(cook) = cook else {
            // A side that is alone in the machine takes it as hot as it goes.
            let hottest = task.stand.and_then(|stand| self.hottest(stand.resource));
            let note = hottest.map(|hottest| {
                Message::with("at {}, as hot as it goes", [Quantity::Setting(hottest)])
            });
            return (note.iter().map(MessageDto::from).collect(), Vec::new());
        };
        let steps = || {
            hands
                .steps
                .iter()
                .filter_map(|step| cook.plan.steps.get(*step))
        };
        let tasks = cook.method.iter().flat_map(|method| &method.tasks);
        let mut ahead = tasks.filter(|known| hands.steps.is_empty() && known.name == task.name);
        let ahead = ahead.next();
        let why = ahead.map(|task| Message::plain(task.reason.clone()));
        let notes = steps()
            .map(|step| &step.reason)
            .chain(&why)
            .filter(|note| !note.text.is_empty())
            .map(MessageDto::from)
            .collect();
        let of_steps = steps().filter_map(|step| step.caution.map(str::to_owned));
        let mut cautions: Vec<String> = of_steps
            .chain(ahead.and_then(|task| task.caution.clone()))
            .collect();
        cautions.dedup();
        (notes, cautions)
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
            Change::Awake => told(
                "work in the hours you said nobody does",
                with(&|supper| supper.quiet = None),
            ),
            Change::AnotherHand => told(
                "a second pair of hands",
                with(&|supper| supper.hands += 1).filter(|supper| supper.hands <= MOST_HANDS),
            ),
            Change::AnotherPlace(number) => {
                let place = self.places.resources.get(number);
                match place.map_or("", |place| place.name.as_str()) {
                    "the hob" => told("another ring of the hob", with(&|supper| supper.rings += 1)),
                    "the fridge" => told(
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
