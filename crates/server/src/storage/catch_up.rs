//! Work on rows that were stored by earlier versions and that only the program can do.

use diesel::PgConnection;

use super::snapshot::CookSummary;
use super::{supper, unpack};
use crate::db;
use crate::dto::plan::PlanDto;
use crate::dto::supper::{SupperDto, SupperPlanDto, SupperSummaryDto};
use crate::error::ApiError;

/// Gives rows that have none their summary. What cannot be read keeps none, and is listed as such.
///
/// # Errors
/// Those of the database.
pub fn summarise(connection: &mut PgConnection) -> Result<(), ApiError> {
    for (id, plan) in db::cooks::without_summary(connection)? {
        if let Ok(plan) = unpack::<PlanDto>(plan) {
            let summary = super::pack(CookSummary::from(&plan))?;
            db::cooks::set_summary(connection, id, &summary)?;
        }
    }
    for row in db::suppers::without_summary(connection)? {
        let document = unpack::<supper::Supper>(row.document).map(SupperDto::from);
        let scheduled = unpack::<SupperPlanDto>(row.scheduled);
        if let (Ok(document), Ok(scheduled)) = (document, scheduled) {
            let summary = super::pack(SupperSummaryDto::of(&document, &scheduled))?;
            db::suppers::set_summary(connection, row.id, &summary)?;
        }
    }
    Ok(())
}
