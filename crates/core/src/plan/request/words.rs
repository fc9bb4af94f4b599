//! Where practitioners disagree: the methods with their words and reasons (common practice).

use super::{LoadRule, PreheatRule, SauceRule, TurnRule};

impl LoadRule {
    /// Both ways.
    pub const ALL: [Self; 2] = [Self::WithAir, Self::AllAtOnce];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::WithAir => "with space between",
            Self::AllAtOnce => "all at once",
        }
    }

    /// The reason.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::WithAir => {
                "Air around each piece: crisp on all sides; in batches when they do not fit."
            }
            Self::AllAtOnce => "One batch, however they lie: slower and paler, but all together.",
        }
    }
}

impl PreheatRule {
    /// Every method.
    pub const ALL: [Self; 4] = [Self::ThinOnly, Self::Always, Self::Never, Self::Hot];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::Always => "preheated",
            Self::ThinOnly => "preheated if thin",
            Self::Never => "from cold",
            Self::Hot => "in the machine that is hot already",
        }
    }

    /// The method's reason.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::Always => "The skin sets at once and the minutes are the same every time.",
            Self::ThinOnly => "The first minutes count for thin pieces, hardly for thick ones.",
            Self::Never => "The machine is hot in a few minutes; fat renders while it warms.",
            Self::Hot => "Something has just come out of it: nothing to wait for.",
        }
    }
}

impl TurnRule {
    /// Every method.
    pub const ALL: [Self; 3] = [Self::EqualBrowning, Self::HalfWay, Self::Never];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::EqualBrowning => "turned for even colour",
            Self::HalfWay => "turned half-way",
            Self::Never => "not turned",
        }
    }

    /// The method's reason.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::EqualBrowning => {
                "Both faces end as alike in colour as they can; the minute is computed."
            }
            Self::HalfWay => "Easy to remember.",
            Self::Never => "One face is for show: skin up and crisp, nothing disturbed.",
        }
    }
}

impl SauceRule {
    /// Every method.
    pub const ALL: [Self; 4] = [
        Self::None,
        Self::LastMinutes,
        Self::Tossed,
        Self::BeforeAndAtTurn,
    ];

    /// The words in the sentence.
    #[must_use]
    pub const fn words(self) -> &'static str {
        match self {
            Self::None => "no sauce",
            Self::LastMinutes => "sauced for the last minutes",
            Self::Tossed => "tossed in sauce after",
            Self::BeforeAndAtTurn => "sauced before and at the turn",
        }
    }

    /// The method's reason.
    #[must_use]
    pub const fn reason(self) -> &'static str {
        match self {
            Self::None => "Crisp as it is.",
            Self::LastMinutes => "It sets to a glaze and has no time to burn.",
            Self::Tossed => "The skin stays crisp until the last moment.",
            Self::BeforeAndAtTurn => "More layers, more flavour; watch the sugar.",
        }
    }
}
