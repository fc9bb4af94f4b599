//! Wire types: the unit stands in the field name, SI only, unknown fields are refused.

/// One word for another of the same name.
macro_rules! same_words {
    ($from:ident -> $to:ident: $($word:ident),+) => {
        impl From<$from> for $to {
            fn from(word: $from) -> Self {
                match word {
                    $($from::$word => Self::$word),+
                }
            }
        }
    };
}

pub mod access;
pub mod action;
pub mod catalogue;
pub mod cook;
pub mod course;
pub mod diagnosis;
pub mod event;
pub mod exercise;
pub mod goals;
pub mod learned;
pub mod loading;
pub mod logbook;
pub mod machine;
pub mod method;
pub mod phone;
pub mod photo;
pub mod plan;
pub mod preparation;
pub mod quantity;
pub mod question;
pub mod readings_file;
pub mod recipe;
pub mod request;
pub mod settings;
pub mod side;
pub mod supper;
pub mod surface;
pub mod thermometer;
pub mod words;
