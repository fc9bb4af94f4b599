//! From a supper in its place to the wire.

use chrono::{DateTime, Duration, Utc};
use ember_core::schedule::PlaceKind;
use ember_core::supper::{
    Alternative, Laid, LaidDish, Loss, MethodWish, Moment, Purchase, WishChange, WishedCook,
};

use super::Clock;
use crate::dto::plan::PictureDto;
use crate::dto::preparation::AmountDto;
use crate::dto::quantity::MessageDto;
use crate::dto::request::RequestDto;
use crate::dto::side::SideDto;
use crate::dto::supper::{
    AgendaDto, ClashDto, LaneDto, LaneKindDto, LossDto, MovedDto, ScheduledDto, ScheduledTaskDto,
    ShoppingDto, SupperAlternativeDto, SupperCookDto, SupperDto, SupperPlanDto,
};

fn number(n: usize) -> u32 {
    u32::try_from(n).unwrap_or(u32::MAX)
}

impl Clock {
    /// Everything in its place, by the clock of the wall.
    pub(super) fn answer(self, dto: &SupperDto, laid: &Laid) -> SupperPlanDto {
        SupperPlanDto {
            serve_at: self.time(laid.serve),
            begins_at: self.time(laid.begins),
            proven: laid.proven,
            lanes: laid
                .places
                .iter()
                .map(|place| LaneDto {
                    kind: match place.kind {
                        PlaceKind::Machine => LaneKindDto::Machine,
                        PlaceKind::Hob => LaneKindDto::Hob,
                        PlaceKind::Fridge => LaneKindDto::Fridge,
                    },
                    name: place.name.clone(),
                    levels: place.levels,
                })
                .collect(),
            dishes: laid.dishes.iter().map(|dish| self.dish(dish)).collect(),
            agenda: laid
                .agenda
                .iter()
                .map(|moment| self.moment(moment))
                .collect(),
            moved: laid
                .moved
                .iter()
                .map(|moved| MovedDto {
                    what: moved.what.clone(),
                    from: self.time(moved.from),
                    to: self.time(moved.to),
                })
                .collect(),
            shopping: laid.shopping.iter().map(purchase).collect(),
            infeasibility: laid.infeasibility.as_ref().map(MessageDto::from),
            clashes: laid
                .clashes
                .iter()
                .map(|clash| ClashDto {
                    start_at: self.time(clash.from),
                    end_at: self.time(clash.to),
                    lane: clash.place.map(number),
                    hands: clash.hands,
                    what: clash.what.clone(),
                })
                .collect(),
            alternatives: laid
                .alternatives
                .iter()
                .map(|way| self.way(dto, way))
                .collect(),
            more: laid.more,
        }
    }

    fn dish(self, dish: &LaidDish) -> ScheduledDto {
        let plan = dish.plan.as_ref();
        ScheduledDto {
            id: dish.id.clone(),
            name: dish.name.clone(),
            ready_at: self.time(dish.ready),
            loses: match dish.loses {
                Loss::Nothing => LossDto::Nothing,
                Loss::Little => LossDto::Little,
                Loss::Much => LossDto::Much,
            },
            tasks: dish
                .tasks
                .iter()
                .map(|task| ScheduledTaskDto {
                    key: task.key.to_string(),
                    name: task.name.clone(),
                    start_at: self.time(task.placed.start),
                    end_at: self.time(task.placed.end),
                    lane: task.place.map(number),
                    begun: task.begun,
                })
                .collect(),
            amounts: dish.amounts.iter().map(AmountDto::from).collect(),
            picture: plan.map(|plan| PictureDto::of(&plan.picture, None)),
            setting_c: dish
                .request
                .as_ref()
                .map(|request| request.first_setting().celsius()),
            timer_s: plan
                .and_then(|plan| plan.timer(1))
                .map(|time| time.seconds()),
            core_target_c: dish.core_target.map(|core| core.celsius()),
            load_at: dish.load.map(|at| self.time(at)),
        }
    }

    fn moment(self, moment: &Moment) -> AgendaDto {
        AgendaDto {
            at: self.time(moment.at),
            end_at: self.time(moment.end),
            what: moment.what.clone(),
            dish: number(moment.dish),
            task: number(moment.task),
            moment: number(moment.moment),
            steps: moment.steps.iter().copied().map(number).collect(),
            notes: moment.notes.iter().map(MessageDto::from).collect(),
            caution: moment.caution.clone(),
        }
    }

    /// An alternative, with the supper that takes it.
    fn way(self, dto: &SupperDto, way: &Alternative) -> SupperAlternativeDto {
        SupperAlternativeDto {
            words: MessageDto::from(&way.words),
            effect: way.effect.clone(),
            serve_at: self.time(way.serve),
            later: matches!(way.changes.as_deref(), Some([WishChange::Later(_)])),
            supper: way.changes.as_ref().map(|changes| {
                let all = changes.iter();
                all.fold(dto.clone(), |supper, change| changed(&supper, change))
            }),
        }
    }
}

/// The document with a change of the wish.
fn changed(dto: &SupperDto, change: &WishChange) -> SupperDto {
    let mut supper = dto.clone();
    match change {
        WishChange::Later(minutes) => {
            let later = |at: DateTime<Utc>| at + Duration::minutes(*minutes);
            supper.serve_at = supper.serve_at.map(later);
            supper.leave_by = supper.leave_by.map(later);
        }
        WishChange::WaiveQuietHours => supper.quiet = None,
        WishChange::AnotherHand => supper.hands += 1,
        WishChange::AnotherRing => supper.rings += 1,
        WishChange::AnotherShelf => supper.shelves += 1,
        WishChange::Side { number, side } => {
            if let Some(dish) = supper.dishes.get_mut(*number)
                && let Some(said) = &mut dish.side
            {
                *said = SideDto {
                    with: said.with,
                    ..SideDto::from(&**side)
                };
            }
        }
        WishChange::Otherwise { number, cook } => {
            if let Some(dish) = supper.dishes.get_mut(*number)
                && let Some(said) = &mut dish.cook
            {
                *said = said_otherwise(said, cook);
                let id = dish.id.clone().unwrap_or_default();
                supper.begun.retain(|begun| begun.dish != id);
            }
        }
    }
    supper
}

/// A cook of the document as it is wanted now.
fn said_otherwise(said: &SupperCookDto, cook: &WishedCook) -> SupperCookDto {
    let own = said.request.method.clone();
    let (own, known) = match &cook.method {
        MethodWish::Own(_) => (own, said.method.clone()),
        MethodWish::Known(id) => (None, Some(id.clone())),
        MethodWish::AsSaid => (None, None),
    };
    SupperCookDto {
        request: RequestDto {
            method: own,
            recipes: said.request.recipes.clone(),
            ..RequestDto::from(&cook.request)
        },
        method: known,
    }
}

fn purchase(purchase: &Purchase) -> ShoppingDto {
    ShoppingDto {
        what: purchase.what.clone(),
        mass_g: purchase.mass.grams(),
        spoons: purchase.spoons.clone(),
        dish: purchase.dish.map(number),
        needed_g: purchase.needed.map(|needed| needed.grams()),
        too_little: purchase.is_too_little(),
        allergen: purchase.allergen.clone(),
    }
}
