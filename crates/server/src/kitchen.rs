//! The kitchen that a request may see: the one of its household, and no other.

use std::future::{Ready, ready};

use actix_web::dev::Payload;
use actix_web::web::Data;
use actix_web::{FromRequest, HttpMessage, HttpRequest};
use chrono::{DateTime, Utc};
use diesel::pg::PgConnection;
use uuid::Uuid;

use crate::admission::Cost;
use crate::changes::Changes;
use crate::context::Context;
use crate::error::ApiError;
use crate::who::Who;

/// A kitchen: everything a handler does with the database it does in one.
#[derive(Clone)]
pub struct Kitchen {
    context: Context,
    who: Who,
}

impl Kitchen {
    /// The one of whoever asks.
    #[must_use]
    pub const fn new(context: Context, who: Who) -> Self {
        Self { context, who }
    }

    /// The one of a household, for work that no device asked for.
    #[must_use]
    pub fn of(context: &Context, household: Uuid) -> Self {
        let who = Who {
            household,
            device: None,
        };
        Self::new(context.clone(), who)
    }

    /// Who asks.
    #[must_use]
    pub const fn who(&self) -> Who {
        self.who
    }

    /// What all kitchens have in common.
    #[must_use]
    pub const fn context(&self) -> &Context {
        &self.context
    }

    /// Queries in one transaction that sees this household's rows alone; see [`Context::query`].
    ///
    /// # Errors
    /// Those of [`Context::query`].
    pub async fn query<T: Send + 'static>(
        &self,
        queries: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.context.query_in(self.who.household, queries).await
    }

    /// Reads a lot, as it all stood at one time; see [`Context::long`].
    ///
    /// # Errors
    /// Those of [`Context::long`].
    pub async fn long_read<T: Send + 'static>(
        &self,
        work: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.context.long(self.who.household, true, work).await
    }

    /// Writes a lot, all of it or nothing; see [`Context::long`].
    ///
    /// # Errors
    /// Those of [`Context::long`].
    pub async fn long_write<T: Send + 'static>(
        &self,
        work: impl FnOnce(&mut PgConnection) -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.context.long(self.who.household, false, work).await
    }

    /// See [`Context::compute`].
    ///
    /// # Errors
    /// Those of [`Context::compute`].
    pub async fn compute<T: Send + 'static>(
        &self,
        cost: Cost,
        work: impl FnOnce() -> Result<T, ApiError> + Send + 'static,
    ) -> Result<T, ApiError> {
        self.context.compute(self.who, cost, work).await
    }

    /// What tells open pages of changes.
    #[must_use]
    pub const fn changes(&self) -> &Changes {
        self.context.changes()
    }

    /// The server's time.
    #[must_use]
    pub fn now(&self) -> DateTime<Utc> {
        self.context.now()
    }
}

impl FromRequest for Kitchen {
    type Error = ApiError;
    type Future = Ready<Result<Self, Self::Error>>;

    /// What the gate found out; whoever did not pass it gets no kitchen.
    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        let who = request.extensions().get::<Who>().copied();
        let context = request.app_data::<Data<Context>>();
        ready(match (who, context) {
            (Some(who), Some(context)) => Ok(Self::new(Context::clone(context), who)),
            _ => Err(ApiError::NotSignedIn),
        })
    }
}
