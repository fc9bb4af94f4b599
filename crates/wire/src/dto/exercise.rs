//! Practice on the wire: what is played, what is seen, what is shown at the end.

use ember_core::plan::PlanError;
use ember_core::practice::{
    Cost, Exercise, Hidden, MOST_MOVES, Made, Move, Place, Result as Played, Reveal, Seen, Served,
    play, reveal,
};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::plan::PictureDto;
use super::quantity::MessageDto;
use super::request::RequestDto;
use super::words::BrowningDto;
use crate::error::ApiError;

/// What is practised.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ExerciseNameDto {
    /// Thin and thick chops together.
    ThinAndThick,
    /// Too many wings for one layer.
    CrowdedBasket,
    /// A second batch of drumsticks.
    SecondBatch,
    /// A thick chop that rises while it rests.
    CarryOver,
    /// Drumsticks with a sauce that burns.
    SauceAndSugar,
    /// Thighs, and a bone.
    BesideTheBone,
}

/// Where the tip of the thermometer is put.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum TipPlaceDto {
    /// In the middle of the thickest part.
    Thickest,
    /// Deep, against the bone.
    AgainstTheBone,
    /// Just under the surface.
    Shallow,
}

same_words!(ExerciseNameDto -> Exercise: ThinAndThick, CrowdedBasket, SecondBatch, CarryOver, SauceAndSugar,
    BesideTheBone);
same_words!(Exercise -> ExerciseNameDto: ThinAndThick, CrowdedBasket, SecondBatch, CarryOver, SauceAndSugar,
    BesideTheBone);
same_words!(TipPlaceDto -> Place: Thickest, AgainstTheBone, Shallow);
same_words!(Place -> TipPlaceDto: Thickest, AgainstTheBone, Shallow);

/// What goes in together and comes out together, as far as it is told.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LotDto {
    /// The cook's word for it.
    pub name: String,
    /// What is told of it.
    pub request: RequestDto,
    /// How thick it is said to be.
    pub thickness_mm: f64,
}

/// An exercise.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ExerciseDto {
    /// Which.
    pub exercise: ExerciseNameDto,
    /// What goes in, with space between.
    pub lots: Vec<LotDto>,
    /// The same laid all at once, where that can be chosen; empty elsewhere.
    pub crowded: Vec<LotDto>,
    /// Whether all lots lie in the machine together.
    pub together: bool,
    /// Whether there is a sauce to brush on.
    pub sauce: bool,
}

/// Something the learner does.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
pub enum MoveDto {
    /// The next lot goes in, or all that cook together.
    Load {
        /// Into a machine that was made hot before.
        preheated: bool,
        /// With space between, where that can be chosen.
        with_space: bool,
    },
    /// Everything in the machine is turned.
    Turn,
    /// Sauce on all of it.
    Sauce,
    /// The thermometer.
    Read {
        /// In which lot, from 0.
        lot: usize,
        /// Where.
        place: TipPlaceDto,
    },
    /// A look at the colours.
    Look,
    /// A lot comes out.
    Out {
        /// Which, from 0.
        lot: usize,
    },
    /// On the table.
    Serve,
}

/// A move with its time.
#[derive(Debug, Clone, Copy, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MadeDto {
    /// When, since the exercise began.
    pub at_s: f64,
    /// What.
    pub what: MoveDto,
}

/// The moves of a learner on a hidden piece.
#[derive(Debug, Clone, PartialEq, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MovesDto {
    /// What is practised.
    pub exercise: ExerciseNameDto,
    /// Which hidden piece.
    pub seed: u32,
    /// What was done, in the order of time.
    pub moves: Vec<MadeDto>,
}

/// What the learner sees by a move.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
#[serde(tag = "kind", rename_all = "snake_case")]
pub enum SeenDto {
    /// Nothing to see.
    Done,
    /// It cannot be done then.
    Not,
    /// What the thermometer shows.
    Reading {
        /// In the place it was put.
        core_c: f64,
    },
    /// The palest of the faces that look up.
    Colour {
        /// Its colour.
        browning: BrowningDto,
    },
}

/// Where a lot is.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LotStateDto {
    /// The cook's word for it.
    pub name: String,
    /// When it went in, since the exercise began.
    pub loaded_at_s: f64,
    /// When it came out; absent while it is in.
    pub out_at_s: Option<f64>,
}

/// What came of the moves.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PlayedDto {
    /// What was seen, one for each move.
    pub seen: Vec<SeenDto>,
    /// Lots that went in.
    pub lots: Vec<LotStateDto>,
    /// How many there are.
    pub of: usize,
    /// When it was served.
    pub served_at_s: Option<f64>,
}

/// A lot as it was served.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct ServedLotDto {
    /// The cook's word for it.
    pub name: String,
    /// When it went in, since the exercise began.
    pub loaded_at_s: f64,
    /// When it came out.
    pub out_at_s: Option<f64>,
    /// The coldest spot then.
    pub core_c: f64,
    /// The highest it had until it was served.
    pub peak_c: f64,
    /// Colours: the face that looks up, and the one below.
    pub faces: [BrowningDto; 2],
    /// Share of the weight lost as water, 0 to 1.
    pub water_lost: f64,
    /// What it was inside.
    pub picture: PictureDto,
}

/// What one decision cost, against the advice's.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CostDto {
    /// The decision.
    pub message: MessageDto,
    /// How much later it was served for it; negative where sooner.
    pub later_s: f64,
    /// How much higher the core rose.
    pub hotter_k: f64,
    /// How much more of the weight was lost as water, as a share.
    pub drier: f64,
    /// The palest face, as it was and as it would have been.
    pub colours: [BrowningDto; 2],
}

/// What was hidden.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct HiddenDto {
    /// The thickest part of each lot.
    pub thickness_mm: Vec<f64>,
    /// How warm it went in.
    pub start_c: f64,
    /// How much hotter the air is than the dial says.
    pub hotter_k: f64,
    /// How much harder it blows than usual, as a factor.
    pub harder: f64,
}

/// What is shown at the end.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RevealDto {
    /// As it was played.
    pub played: Vec<ServedLotDto>,
    /// When it was served, with the preheating.
    pub played_s: f64,
    /// The coldest spot at each reading, one for each move.
    pub really_c: Vec<Option<f64>>,
    /// As the advice would have played it.
    pub advised: Vec<ServedLotDto>,
    /// When that is served, with the preheating.
    pub advised_s: f64,
    /// Its moves.
    pub moves: Vec<MadeDto>,
    /// What was wanted inside.
    pub target_c: f64,
    /// The safe minimum; absent where there is none.
    pub least_c: Option<f64>,
    /// What was hidden.
    pub hidden: HiddenDto,
    /// What each decision cost, the dearest first.
    pub costs: Vec<CostDto>,
}

impl ExerciseDto {
    /// Every exercise, in the order of the work.
    #[must_use]
    pub fn all() -> Vec<Self> {
        let lots = |exercise: Exercise, with_space| {
            let lots = exercise.lots(with_space).into_iter();
            lots.map(|lot| LotDto {
                name: lot.name.to_owned(),
                thickness_mm: lot.request.thickness_used().millimetres(),
                request: (&lot.request).into(),
            })
            .collect()
        };
        let all = Exercise::ALL.into_iter();
        all.map(|exercise| Self {
            exercise: exercise.into(),
            lots: lots(exercise, true),
            crowded: if exercise.may_crowd() {
                lots(exercise, false)
            } else {
                Vec::new()
            },
            together: exercise.is_together(),
            sauce: exercise.has_sauce(),
        })
        .collect()
    }
}

impl From<MoveDto> for Move {
    fn from(what: MoveDto) -> Self {
        match what {
            MoveDto::Load {
                preheated,
                with_space,
            } => Self::Load {
                preheated,
                with_space,
            },
            MoveDto::Turn => Self::Turn,
            MoveDto::Sauce => Self::Sauce,
            MoveDto::Read { lot, place } => Self::Read {
                lot,
                place: place.into(),
            },
            MoveDto::Look => Self::Look,
            MoveDto::Out { lot } => Self::Out { lot },
            MoveDto::Serve => Self::Serve,
        }
    }
}

impl From<Move> for MoveDto {
    fn from(what: Move) -> Self {
        match what {
            Move::Load {
                preheated,
                with_space,
            } => Self::Load {
                preheated,
                with_space,
            },
            Move::Turn => Self::Turn,
            Move::Sauce => Self::Sauce,
            Move::Read { lot, place } => Self::Read {
                lot,
                place: place.into(),
            },
            Move::Look => Self::Look,
            Move::Out { lot } => Self::Out { lot },
            Move::Serve => Self::Serve,
        }
    }
}

/// No exercise lasts longer, s.
const LONGEST: f64 = 6.0 * 3600.0;
/// The most moves that one request brings.
pub const MOST: usize = MOST_MOVES;

impl MovesDto {
    /// # Errors
    /// That there are too many, or a time is none, or they are not in the order of time.
    pub fn check(&self) -> Result<(), ApiError> {
        if self.moves.len() > MOST {
            let detail = format!("{} moves; an exercise has at most {MOST}", self.moves.len());
            return Err(ApiError::invalid("moves", detail));
        }
        let mut last = 0.0;
        for (n, made) in self.moves.iter().enumerate() {
            if !(last..=LONGEST).contains(&made.at_s) {
                let detail = format!(
                    "{} s; a move is no earlier than the one before, and an exercise lasts 6 h at most",
                    made.at_s
                );
                return Err(ApiError::invalid(format!("moves[{n}].at_s"), detail));
            }
            last = made.at_s;
        }
        Ok(())
    }

    fn made(&self) -> Vec<Made> {
        let moves = self.moves.iter();
        moves
            .map(|made| Made {
                at: made.at_s,
                what: made.what.into(),
            })
            .collect()
    }

    /// Plays them.
    ///
    /// # Errors
    /// Those of a plan.
    pub fn played(&self) -> Result<PlayedDto, PlanError> {
        let played = play(self.exercise.into(), self.seed.into(), &self.made())?;
        Ok(PlayedDto {
            seen: played.seen.iter().copied().map(SeenDto::from).collect(),
            of: played.of,
            served_at_s: played.served,
            lots: played
                .lots
                .iter()
                .map(|lot| LotStateDto {
                    name: lot.name.to_owned(),
                    loaded_at_s: lot.loaded,
                    out_at_s: lot.out,
                })
                .collect(),
        })
    }

    /// What is shown at the end.
    ///
    /// # Errors
    /// That it is not served yet, and those of a plan.
    pub fn revealed(&self) -> Result<RevealDto, ApiError> {
        let shown = reveal(self.exercise.into(), self.seed.into(), &self.made())?;
        if shown.played.served.is_none() {
            return Err(ApiError::invalid(
                "moves",
                "it is not served yet; serve it first",
            ));
        }
        Ok(RevealDto::from(shown))
    }
}

impl From<Seen> for SeenDto {
    fn from(seen: Seen) -> Self {
        match seen {
            Seen::Done => Self::Done,
            Seen::Not => Self::Not,
            Seen::Reading(core) => Self::Reading {
                core_c: core.celsius(),
            },
            Seen::Colour(browning) => Self::Colour {
                browning: browning.into(),
            },
        }
    }
}

impl From<&Served> for ServedLotDto {
    fn from(lot: &Served) -> Self {
        Self {
            name: lot.name.to_owned(),
            loaded_at_s: lot.loaded,
            out_at_s: lot.out,
            core_c: lot.core.celsius(),
            peak_c: lot.peak.celsius(),
            faces: lot.faces.map(BrowningDto::from),
            water_lost: lot.water,
            picture: PictureDto::of(&lot.picture, None),
        }
    }
}

impl From<&Cost> for CostDto {
    fn from(cost: &Cost) -> Self {
        Self {
            message: (&cost.message).into(),
            later_s: cost.later,
            hotter_k: cost.hotter,
            drier: cost.drier,
            colours: cost.colours.map(BrowningDto::from),
        }
    }
}

impl From<Hidden> for HiddenDto {
    fn from(hidden: Hidden) -> Self {
        Self {
            thickness_mm: hidden
                .thickness
                .iter()
                .map(|one| one.millimetres())
                .collect(),
            start_c: hidden.start.celsius(),
            hotter_k: hidden.hotter.kelvins(),
            harder: hidden.harder,
        }
    }
}

impl From<Reveal> for RevealDto {
    fn from(shown: Reveal) -> Self {
        let lots = |played: &Played| played.lots.iter().map(ServedLotDto::from).collect();
        let ends = |played: &Played| played.preheat + played.served.unwrap_or_default();
        Self {
            played: lots(&shown.played),
            played_s: ends(&shown.played),
            really_c: shown
                .played
                .really
                .iter()
                .map(|core| core.map(|core| core.celsius()))
                .collect(),
            advised: lots(&shown.advised),
            advised_s: ends(&shown.advised),
            moves: shown
                .moves
                .iter()
                .map(|made| MadeDto {
                    at_s: made.at,
                    what: made.what.into(),
                })
                .collect(),
            target_c: shown.target.celsius(),
            least_c: shown.least.map(|least| least.celsius()),
            hidden: shown.hidden.into(),
            costs: shown.costs.iter().map(CostDto::from).collect(),
        }
    }
}
