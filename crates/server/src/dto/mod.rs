//! Wire types: the unit stands in the field name, SI only, unknown fields are refused.

pub mod catalogue;
pub mod cook;
pub mod event;
pub mod loading;
pub mod machine;
pub mod method;
pub mod plan;
pub mod preparation;
pub mod quantity;
pub mod question;
pub mod request;
pub mod supper;

/// An enum of the wire with its counterpart in the core.
macro_rules! wire_enum {
    ($(#[$meta:meta])* $name:ident = $core:path { $($(#[$doc:meta])* $variant:ident),+ $(,)? }) => {
        $(#[$meta])*
        #[derive(
            Debug, Clone, Copy, PartialEq, Eq, serde::Serialize, serde::Deserialize,
            utoipa::ToSchema,
        )]
        #[serde(rename_all = "snake_case")]
        pub enum $name {
            $($(#[$doc])* $variant),+
        }

        impl From<$name> for $core {
            fn from(wire: $name) -> Self {
                match wire {
                    $($name::$variant => Self::$variant),+
                }
            }
        }

        impl From<$core> for $name {
            fn from(core: $core) -> Self {
                match core {
                    $(<$core>::$variant => Self::$variant),+
                }
            }
        }
    };
}
pub(crate) use wire_enum;
