//! What is planned to be done to a cook, on the wire.

use ember_core::fryer::{Action, Which};
use ember_core::plan::{PlannedAction, When};
use ember_core::units::{Interval, Mass, Temperature};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use super::words::{BasteDto, LookingDto, WhichDto};
use crate::error::ApiError;

/// Something the cook does to every batch: at one of `at_s`, `share`, `before_end_s`, `every_s` or `moment`.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PlannedActionDto {
    /// When, from loading.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub at_s: Option<f64>,
    /// When, as a share of the time to the pull.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub share: Option<f64>,
    /// When, before the pull.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub before_end_s: Option<f64>,
    /// Again and again, so far apart, until shortly before the pull.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub every_s: Option<f64>,
    /// When, by what can be seen.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub moment: Option<MomentDto>,
    /// What.
    pub kind: ActionKindDto,
    /// The new setting; only with `set`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub setting_c: Option<f64>,
    /// Weight of the dish; only with `add_side`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side_mass_g: Option<f64>,
    /// How long it stands open; only with `open`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub open_s: Option<f64>,
    /// Which pieces; only with `turn`, absent for all.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub which: Option<WhichDto>,
    /// Which faces; only with `sauce`, absent for both.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub faces: Option<LookingDto>,
    /// What with; only with `baste`, absent for water, juice or stock.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub with: Option<BasteDto>,
}

/// Something that is done to a cook.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ActionDto {
    /// What.
    pub kind: ActionKindDto,
    /// The new setting; only with `set`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub setting_c: Option<f64>,
    /// Weight of the dish; only with `add_side`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub side_mass_g: Option<f64>,
    /// How long it stands open; only with `open`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub open_s: Option<f64>,
    /// Which pieces; only with `turn`, absent for all.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub which: Option<WhichDto>,
    /// Which faces; only with `sauce`, absent for both.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub faces: Option<LookingDto>,
    /// What with; only with `baste`, absent for water, juice or stock.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub with: Option<BasteDto>,
}

/// A moment that can be seen.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum MomentDto {
    /// When the upper face is golden.
    Golden,
}

/// What a cook does in the middle of a cook.
#[derive(Debug, Clone, Copy, PartialEq, Eq, Serialize, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum ActionKindDto {
    /// Sets the dial.
    Set,
    /// Turns pieces.
    Turn,
    /// Moves them to other places.
    Move,
    /// Swaps racks or drawers.
    SwapRacks,
    /// Turns the basket a quarter round.
    Rotate,
    /// Leaves it open.
    Open,
    /// Adds another dish.
    AddSide,
    /// Stirs it.
    StirSide,
    /// Takes it out.
    TakeSide,
    /// Brushes with sauce.
    Sauce,
    /// Sprays with oil.
    Spray,
    /// Bastes with fat, or with juice or stock.
    Baste,
    /// Takes everything out for a while.
    TakeOut,
    /// Puts everything back.
    PutBack,
    /// Stops the spit.
    SpitStops,
    /// Lets it turn again.
    SpitTurns,
}

impl PlannedActionDto {
    /// An action at a time from loading.
    #[must_use]
    pub fn at(time: Interval, action: Action) -> Self {
        Self {
            at_s: Some(time.seconds()),
            ..Self::some_time(action)
        }
    }

    /// An action whose moment is still to be said.
    fn some_time(action: Action) -> Self {
        let what = ActionDto::from(action);
        Self {
            at_s: None,
            share: None,
            before_end_s: None,
            every_s: None,
            moment: None,
            kind: what.kind,
            setting_c: what.setting_c,
            side_mass_g: what.side_mass_g,
            open_s: what.open_s,
            which: what.which,
            faces: what.faces,
            with: what.with,
        }
    }

    /// What is done, without its moment.
    fn what(&self) -> ActionDto {
        ActionDto {
            kind: self.kind,
            setting_c: self.setting_c,
            side_mass_g: self.side_mass_g,
            open_s: self.open_s,
            which: self.which,
            faces: self.faces,
            with: self.with,
        }
    }

    fn when(&self) -> Result<When, ApiError> {
        let time = Interval::from_seconds;
        let said = [
            self.at_s.map(|at| When::At(time(at))),
            self.share.map(When::Share),
            self.before_end_s
                .map(|before| When::BeforeEnd(time(before))),
            self.every_s.map(|apart| When::Every(time(apart))),
            self.moment.map(|MomentDto::Golden| When::Golden),
        ];
        let mut said = said.into_iter().flatten();
        match (said.next(), said.next()) {
            (Some(when), None) => Ok(when),
            _ => Err(ApiError::invalid(
                "actions.at_s",
                "say one of at_s, share, before_end_s, every_s and moment".to_owned(),
            )),
        }
    }
}

impl ActionDto {
    /// An action of which nothing more is to be said.
    #[must_use]
    pub const fn bare(kind: ActionKindDto) -> Self {
        Self {
            kind,
            setting_c: None,
            side_mass_g: None,
            open_s: None,
            which: None,
            faces: None,
            with: None,
        }
    }

    /// The action.
    ///
    /// # Errors
    /// What is missing for it, or does not go with it.
    pub fn to_core(&self) -> Result<Action, ApiError> {
        use ActionKindDto as Kind;
        let [setting, mass, open] = [self.setting_c, self.side_mass_g, self.open_s];
        let action = match self.kind {
            Kind::Set => Action::Set(Temperature::from_celsius(needed(
                setting,
                "actions.setting_c",
                "\"set\" goes with a setting_c",
            )?)),
            Kind::AddSide => Action::AddSide(Mass::from_grams(needed(
                mass,
                "actions.side_mass_g",
                "\"add_side\" goes with a side_mass_g",
            )?)),
            Kind::Open => Action::Open(Interval::from_seconds(needed(
                open,
                "actions.open_s",
                "\"open\" goes with an open_s",
            )?)),
            Kind::Turn => Action::Turn(self.which.unwrap_or(WhichDto::All).into()),
            Kind::Sauce => Action::Sauce(self.faces.unwrap_or(LookingDto::Both).into()),
            Kind::Baste => Action::Baste(self.with.unwrap_or(BasteDto::Water).into()),
            Kind::Move => Action::Move,
            Kind::SwapRacks => Action::SwapRacks,
            Kind::Rotate => Action::Rotate,
            Kind::StirSide => Action::StirSide,
            Kind::TakeSide => Action::TakeSide,
            Kind::Spray => Action::Spray,
            Kind::TakeOut => Action::TakeOut,
            Kind::PutBack => Action::PutBack,
            Kind::SpitStops => Action::SpitStops,
            Kind::SpitTurns => Action::SpitTurns,
        };
        let [asks_set, asks_mass, asks_open] =
            [Kind::Set, Kind::AddSide, Kind::Open].map(|kind| kind == self.kind);
        let stray = [
            (setting.is_some() && !asks_set, "actions.setting_c"),
            (mass.is_some() && !asks_mass, "actions.side_mass_g"),
            (open.is_some() && !asks_open, "actions.open_s"),
            (
                self.which.is_some() && self.kind != Kind::Turn,
                "actions.which",
            ),
            (
                self.faces.is_some() && self.kind != Kind::Sauce,
                "actions.faces",
            ),
            (
                self.with.is_some() && self.kind != Kind::Baste,
                "actions.with",
            ),
        ];
        match stray.iter().find(|(stray, _)| *stray) {
            Some((_, field)) => Err(ApiError::invalid(
                *field,
                "it does not go with this action; leave it out".to_owned(),
            )),
            None => Ok(action),
        }
    }
}

fn needed(value: Option<f64>, field: &'static str, detail: &str) -> Result<f64, ApiError> {
    value.ok_or_else(|| ApiError::invalid(field, detail.to_owned()))
}

impl From<Action> for ActionDto {
    fn from(action: Action) -> Self {
        use ActionKindDto as Kind;
        let bare = Self::bare;
        match action {
            Action::Set(setting) => Self {
                setting_c: Some(setting.celsius()),
                ..bare(Kind::Set)
            },
            Action::Turn(Which::All) => bare(Kind::Turn),
            Action::Turn(Which::One) => Self {
                which: Some(WhichDto::One),
                ..bare(Kind::Turn)
            },
            Action::AddSide(mass) => Self {
                side_mass_g: Some(mass.grams()),
                ..bare(Kind::AddSide)
            },
            Action::Open(time) => Self {
                open_s: Some(time.seconds()),
                ..bare(Kind::Open)
            },
            Action::Sauce(faces) => Self {
                faces: Some(faces.into()),
                ..bare(Kind::Sauce)
            },
            Action::Baste(with) => Self {
                with: Some(with.into()),
                ..bare(Kind::Baste)
            },
            Action::Move => bare(Kind::Move),
            Action::SwapRacks => bare(Kind::SwapRacks),
            Action::Rotate => bare(Kind::Rotate),
            Action::StirSide => bare(Kind::StirSide),
            Action::TakeSide => bare(Kind::TakeSide),
            Action::Spray => bare(Kind::Spray),
            Action::TakeOut => bare(Kind::TakeOut),
            Action::PutBack => bare(Kind::PutBack),
            Action::SpitStops => bare(Kind::SpitStops),
            Action::SpitTurns => bare(Kind::SpitTurns),
        }
    }
}

impl From<&PlannedAction> for PlannedActionDto {
    fn from(planned: &PlannedAction) -> Self {
        let what = Self::some_time(planned.action);
        match planned.when {
            When::At(at) => Self::at(at, planned.action),
            When::Share(share) => Self {
                share: Some(share),
                ..what
            },
            When::BeforeEnd(time) => Self {
                before_end_s: Some(time.seconds()),
                ..what
            },
            When::Every(apart) => Self {
                every_s: Some(apart.seconds()),
                ..what
            },
            When::Golden => Self {
                moment: Some(MomentDto::Golden),
                ..what
            },
        }
    }
}

impl TryFrom<&PlannedActionDto> for PlannedAction {
    type Error = ApiError;

    fn try_from(dto: &PlannedActionDto) -> Result<Self, ApiError> {
        Ok(Self {
            when: dto.when()?,
            action: dto.what().to_core()?,
        })
    }
}
