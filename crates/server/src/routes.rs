//! The route table.

use actix_web::http::{Method, header};
use actix_web::middleware::from_fn;
use actix_web::web::{self, Data};
use actix_web::{HttpRequest, HttpResponse};
use ember_core::units::Message;
use utoipa_actix_web::scope;
use utoipa_actix_web::service_config::ServiceConfig;

use crate::access::gate;
use crate::description::Description;
use crate::error::{ApiError, Code, Problem, respond};
use crate::handlers::{
    catalogue, changes, cooks, devices, events, exercises, health, household, learned, links,
    logbook, machines, methods, phone, photos, plans, quantities, recipes, session, settings,
    shared, sides, stored, suppers, thermometers,
};

/// Everything below `/api`.
pub fn api(config: &mut ServiceConfig) {
    config.service(
        scope("/api")
            .service(health::read::read)
            .service(health::live::live)
            .service(health::ready::ready)
            .service(catalogue::read::read)
            .service(session::read::read)
            .service(session::sign_in::sign_in)
            .service(session::join::join)
            .service(session::sign_out::sign_out)
            .service(household::read::read)
            .service(household::schema::schema)
            .service(household::export::export)
            .service(household::import::import)
            .service(household::rename::rename)
            .service(household::passphrase::change)
            .service(household::delete::delete)
            .service(devices::list::list)
            .service(devices::end_all::end_all)
            .service(devices::end::end)
            .service(links::list::list)
            .service(links::make::make)
            .service(links::revoke::revoke)
            .service(links::calendar::read)
            .service(settings::read::read)
            .service(settings::write::write)
            .service(stored::export::export)
            .service(phone::read::read)
            .service(machines::list::list)
            .service(machines::create::create)
            .service(machines::export::export)
            .service(machines::import::import)
            .service(machines::schema::schema)
            .service(machines::typical::typical)
            .service(machines::replace::replace)
            .service(machines::delete::delete)
            .service(machines::restore::restore)
            .service(methods::list::list)
            .service(methods::create::create)
            .service(methods::replace::replace)
            .service(methods::delete::delete)
            .service(methods::restore::restore)
            .service(sides::list::list)
            .service(sides::create::create)
            .service(sides::replace::replace)
            .service(sides::delete::delete)
            .service(sides::restore::restore)
            .service(recipes::weigh::weigh)
            .service(recipes::read::read)
            .service(recipes::export::export)
            .service(recipes::list::list)
            .service(recipes::create::create)
            .service(recipes::replace::replace)
            .service(recipes::delete::delete)
            .service(recipes::restore::restore)
            .service(quantities::understand::understand)
            .service(plans::preview::preview)
            .service(plans::method::method)
            .service(plans::preparation::preparation)
            .service(plans::setting_for_deadline::setting_for_deadline)
            .service(plans::equivalent::equivalent)
            .service(plans::convert::convert)
            .service(plans::recipe::recipe)
            .service(plans::diagnosis::diagnosis)
            .service(plans::together::together)
            .service(exercises::list::list)
            .service(exercises::play::play)
            .service(exercises::reveal::reveal)
            .service(shared::create::create)
            .service(shared::read::read)
            .service(changes::listen::listen)
            .service(thermometers::list::list)
            .service(thermometers::add::add)
            .service(thermometers::remove::remove)
            .service(thermometers::address::address)
            .service(thermometers::followed::followed)
            .service(thermometers::tie::tie)
            .service(thermometers::readings::readings)
            .service(thermometers::practise::practise)
            .service(cooks::calendar::calendar)
            .service(cooks::recipe::recipe)
            .service(cooks::list::list)
            .service(cooks::create::create)
            .service(cooks::read::read)
            .service(cooks::rename::rename)
            .service(cooks::replace::replace)
            .service(cooks::delete::delete)
            .service(cooks::restore::restore)
            .service(cooks::what_if::what_if)
            .service(cooks::diagnosis::diagnosis)
            .service(cooks::readings_file::readings_file)
            .service(photos::list::list)
            .service(photos::add::add)
            .service(photos::read::read)
            .service(photos::delete::delete)
            .service(photos::restore::restore)
            .service(events::append::append)
            .service(logbook::cooks::cooks)
            .service(logbook::readings::readings)
            .service(logbook::off::off)
            .service(logbook::document::document)
            .service(logbook::schema::schema)
            .service(learned::start_over::start_over)
            .service(learned::read::read)
            .service(learned::effect::effect)
            .service(learned::leave_out::leave_out)
            .service(suppers::preview::preview)
            .service(suppers::list::list)
            .service(suppers::create::create)
            .service(suppers::schema::schema)
            .service(suppers::read::read)
            .service(suppers::replace::replace)
            .service(suppers::delete::delete)
            .service(suppers::restore::restore)
            .service(suppers::report::report)
            .service(suppers::calendar::calendar)
            .default_service(web::to(nothing_here))
            .wrap(from_fn(gate)),
    );
}

/// No route took it: a path that is known with other methods answers 405, any other 404.
async fn nothing_here(request: HttpRequest, description: Data<Description>) -> HttpResponse {
    let Some(allowed) = description.methods_of(request.path()) else {
        return respond(&ApiError::NotFound("page").problem());
    };
    // Whatever a path answers, it answers as HEAD too, and to the question what it answers.
    let also = if allowed.contains("GET") {
        ", HEAD, OPTIONS"
    } else {
        ", OPTIONS"
    };
    let allowed = format!("{allowed}{also}");
    if request.method() == Method::OPTIONS {
        return HttpResponse::NoContent()
            .insert_header((header::ALLOW, allowed))
            .finish();
    }
    let mut response = respond(&Problem::new(
        Code::MethodNotAllowed,
        &Message::plain(format!(
            "{} is not answered here, only {allowed}",
            request.method()
        )),
    ));
    if let Ok(value) = allowed.parse() {
        response.headers_mut().insert(header::ALLOW, value);
    }
    response
}
