//! One batch: load, what is done on the way, check, pull.

use super::of::Of;
use super::on_the_way::on_the_way;
use super::{Step, StepKind};
use crate::basket::Airiness;
use crate::doneness::Handling;
use crate::fryer::Support;
use crate::plan::request::{Request, SauceRule};
use crate::plan::text::cautions::{self, HOT_BASKET};
use crate::plan::text::warnings::{PARCHMENT, too_close};
use crate::plan::{Decides, Outside, Plan, SecondDrawer};
use crate::units::{Mass, Message, Quantity, Temperature};

impl Of<'_> {
    /// Everything that is done to it, in order.
    pub fn steps(&self) -> Vec<Step> {
        let mut steps = vec![self.load()];
        steps.extend(self.level());
        steps.extend(on_the_way(self));
        steps.extend(self.pour_off());
        steps.push(self.check());
        steps.extend(self.second_drawer());
        steps.push(self.pull());
        steps
    }

    fn load(&self) -> Step {
        let (request, batch) = (self.request, self.batch);
        let entry = request.entry();
        let sauced = if request.sauce == SauceRule::BeforeAndAtTurn {
            ", upper side sauced"
        } else {
            ""
        };
        let title = format!(
            "Load {} {}{}{sauced}",
            batch.pieces,
            entry.noun(batch.pieces),
            self.spread()
        );
        let left_over = request.handling == Handling::LeftOver;
        let caution = match (sauced.is_empty(), entry.animal.is_poultry()) {
            _ if left_over => cautions::ONCE,
            (false, _) => cautions::RAW_BRUSH,
            (true, true) => cautions::RAW_POULTRY,
            (true, false) => cautions::RAW_MEAT,
        };
        Step {
            caution: Some(caution),
            ..self.step(StepKind::Load, 0.0, title, self.load_reason())
        }
    }

    /// What is tall and near the guard is levelled before the machine closes.
    fn level(&self) -> Option<Step> {
        let clearance = too_close(self.request, self.plan)?;
        let paper = Quantity::Setting(Temperature::from_celsius(PARCHMENT));
        let free = Quantity::Length(clearance);
        let reason = if self.request.hottest_setting().celsius() > PARCHMENT {
            Message::with(
                "{} of air above it now, and it must not touch the guard; baking parchment is rated to about \
                 {}, less than the dial: halve it, or lay a flat oven-proof dish under its low end",
                [free, paper],
            )
        } else {
            Message::with(
                "a ball of baking parchment under its low end, up to the paper's rating, about {}; {} of air \
                 above it now, and it must not touch the guard",
                [paper, free],
            )
        };
        Some(Step {
            caution: Some(cautions::LEVELLING),
            core: None,
            ..self.step(
                StepKind::Act,
                0.0,
                format!("Level it{}", self.of_batch()),
                reason,
            )
        })
    }

    /// Over how many levels a load goes.
    fn spread(&self) -> String {
        let batch = self.batch;
        match (batch.levels, batch.second) {
            (_, Some(second)) => {
                let lighter = second.cook < batch.cook && !self.request.weights.is_empty();
                format!(
                    ", {} left and {} right",
                    batch.pieces - second.pieces,
                    if lighter {
                        format!("the {} lighter ones", second.pieces)
                    } else {
                        second.pieces.to_string()
                    }
                )
            }
            (2.., None) => format!(" on {} racks", batch.levels),
            _ => String::new(),
        }
    }

    fn load_reason(&self) -> Message {
        let (request, plan, batch) = (self.request, self.plan, self.batch);
        let place = &request.machine.name;
        if self.number > 1 {
            let heaviest = request.heaviest();
            let lighter = heaviest > batch.heaviest || plan.loading.apart.is_some();
            return if lighter && !request.weights.is_empty() {
                Message::with(
                    format!("pieces up to {{}}; {place} is hot. In the fridge until now"),
                    [Quantity::Mass(batch.heaviest)],
                )
            } else {
                Message::plain(format!(
                    "{place} is hot: this batch is quicker. In the fridge until now"
                ))
            };
        }
        let airiness = plan.loading.airiness();
        let held = if request.support == Support::Basket {
            String::from(match airiness {
                Airiness::Stacked => ", on top of one another",
                _ if batch.second.is_some() => ", one layer each",
                _ => ", one layer",
            })
        } else {
            format!(", {}", request.support.words())
        };
        // One piece has nothing to stand apart from.
        let air = if batch.pieces > 1 {
            format!(", {}", airiness.word())
        } else {
            String::new()
        };
        let face = match request.faces() {
            Some([up, _]) if !request.support.turns_itself() => format!(", {up} up"),
            _ => String::new(),
        };
        Message::with(
            format!("in {place}{held}, at {{}}{air}{face}"),
            [Quantity::Setting(request.first_setting())],
        )
    }

    /// What gathers in a boat of foil is poured off half-way.
    fn pour_off(&self) -> Option<Step> {
        if self.request.support != Support::FoilBox {
            return None;
        }
        let gathers = self.plan.outcomes.dripped.grams() / 2.0;
        let half = (self.batch.cook.minutes() / 2.0).round() * 60.0;
        Some(Step {
            caution: Some(cautions::POURING),
            core: None,
            ..self.step(
                StepKind::Act,
                half,
                format!("Pour off what is in the foil{}", self.of_batch()),
                Message::with(
                    "about {} by now; what lies in it steams the skin from below",
                    [Quantity::Mass(Mass::from_grams(gathers.max(5.0)))],
                ),
            )
        })
    }

    fn check(&self) -> Step {
        let of_batch = if self.plan.batches.len() > 1 {
            format!(" batch {}", self.number)
        } else {
            String::new()
        };
        let at = self.batch.check_from.seconds();
        if !self.request.thermometer.there {
            return Step {
                caution: Some(cautions::NOT_VERIFIED),
                ..self.step(
                    StepKind::Check,
                    at,
                    format!(
                        "Look at{}",
                        if of_batch.is_empty() {
                            " it"
                        } else {
                            &of_batch
                        }
                    ),
                    Message::plain(signs(self.request)),
                )
            };
        }
        Step {
            caution: Some(cautions::THERMOMETER),
            ..self.step(
                StepKind::Check,
                at,
                format!("Check{of_batch} with the thermometer"),
                self.check_reason(),
            )
        }
    }

    /// Which piece, where, how deep, how long; and both goals.
    fn check_reason(&self) -> Message {
        let (request, plan) = (self.request, self.plan);
        let spit = if request.support == Support::Spit {
            "stop the spit; from the side, not along it, "
        } else {
            ""
        };
        let pieces = match self.batch.pieces {
            0 | 1 => "",
            2 => "Both pieces, the lower counts: ",
            _ => "The thickest piece and two more, the lowest counts: ",
        };
        let middle = if request.handling == Handling::Stuffed {
            "; the middle of the stuffing as well"
        } else {
            ""
        };
        let on_a_spit = request.support == Support::Spit;
        // The rod is in the way of a tip that comes from the end.
        let probe = if on_a_spit {
            "the thickest part, beside the rod"
        } else {
            request.entry().probe
        };
        let place = if probe.starts_with("from") || probe.starts_with("between") {
            probe.to_owned()
        } else {
            format!("in {probe}")
        };
        if self.number > 1 {
            return Message::with(
                "as batch 1; {} or more inside",
                [Quantity::Temperature(request.shown(plan.readings.done))],
            );
        }
        let clear = if plan.readings.off_bone.is_some() {
            " and at least {} from the bone"
        } else {
            ""
        };
        let off_bone = plan.readings.off_bone.map(Quantity::Length);
        let done = Quantity::Temperature(request.shown(plan.readings.done));
        let mut values: Vec<Quantity> = off_bone.into_iter().chain([done]).collect();
        let outside = match plan.goals.outside {
            _ if plan.goals.decides == Decides::Planned => {
                values.push(Quantity::Time(self.batch.cook));
                "the inside is done; as you planned it comes out about {} after loading".to_owned()
            }
            wanted if plan.goals.decides == Decides::Outside => {
                let words = format!(
                    "the inside is done; it comes out when it is {}, about {{}} after loading",
                    wanted.words()
                );
                values.push(Quantity::Time(self.batch.cook));
                words
            }
            Outside::AsItComes => "out".to_owned(),
            wanted => format!("out, if it is {} as well", wanted.words()),
        };
        Message::with(
            format!(
                "{pieces}{spit}{place}{middle}, the tip in the middle of the meat{clear}, until the \
                 number stands still; {{}} or more means {outside}",
            ),
            values,
        )
    }

    fn second_drawer(&self) -> Option<Step> {
        let SecondDrawer { pieces, cook, .. } = self
            .batch
            .second
            .filter(|second| second.cook < self.batch.cook)?;
        Some(Step {
            caution: Some(HOT_BASKET),
            ..self.step(
                StepKind::Pull,
                cook.seconds(),
                format!("Take the right drawer out{}", self.of_batch()),
                Message::plain(format!(
                    "its {pieces} are ready first; check them all the same"
                )),
            )
        })
    }

    fn pull(&self) -> Step {
        let title = if self.plan.batches.len() > 1 {
            format!("Take batch {} out", self.number)
        } else {
            "Take everything out".to_owned()
        };
        Step {
            caution: Some(HOT_BASKET),
            ..self.step(
                StepKind::Pull,
                self.batch.cook.seconds(),
                title,
                pull_reason(self.request, self.plan),
            )
        }
    }
}

/// Signs of being done that are no proof (common practice).
fn signs(request: &Request) -> &'static str {
    if request.entry().animal.is_poultry() {
        "clear juices, a loose joint and no pink at the bone are signs, not proof; the time is set to \
         the late end of what is likely"
    } else {
        "firm to the touch and clear juices are signs, not proof; the time is set to the late end of \
         what is likely"
    }
}

fn pull_reason(request: &Request, plan: &Plan) -> Message {
    let shown = Quantity::Temperature(request.shown(plan.readings.done));
    let [pull, later, peak] = [plan.readings.pull, plan.readings.later, plan.readings.peak]
        .map(|read| Quantity::Temperature(request.shown(read)));
    if !request.thermometer.there {
        return Message::with("about {} inside, if all is as assumed", [pull]);
    }
    if plan.goals.decides == Decides::Planned {
        return Message::with(
            "{} or more in every piece; by now about {} inside",
            [shown, pull],
        );
    }
    if plan.goals.decides == Decides::Outside {
        return Message::with(
            format!(
                "{{}} or more in every piece, and {}; by now about {{}} inside",
                plan.goals.outside.words()
            ),
            [shown, pull],
        );
    }
    let rises = (plan.peak_core - plan.pull_core).kelvins() > 1.0;
    if plan.measure_again.is_some() {
        Message::with(
            "out at {}, as soon as it is open; two minutes later about {}, {} at the most; measure again",
            [shown, later, peak],
        )
    } else if rises {
        Message::with(
            "out at {}, as soon as it is open; two minutes later about {}, {} at the most",
            [shown, later, peak],
        )
    } else {
        Message::with("at {} or more in every piece", [shown])
    }
}
