//! The route table.

use actix_web::http::header;
use actix_web::{HttpRequest, HttpResponse, web};
use utoipa_actix_web::scope;
use utoipa_actix_web::service_config::ServiceConfig;

use crate::error::{ApiError, Problem, respond};
use crate::handlers::{
    blends, catalogue, cooks, events, health, machines, methods, plans, quantities, suppers,
};
use crate::openapi;

/// Everything below `/api`.
pub fn api(config: &mut ServiceConfig) {
    config.service(
        scope("/api")
            .service(health::read::read)
            .service(catalogue::read::read)
            .service(machines::list::list)
            .service(machines::create::create)
            .service(machines::export::export)
            .service(machines::import::import)
            .service(machines::schema::schema)
            .service(machines::replace::replace)
            .service(machines::delete::delete)
            .service(methods::list::list)
            .service(methods::create::create)
            .service(methods::replace::replace)
            .service(methods::delete::delete)
            .service(blends::list::list)
            .service(blends::create::create)
            .service(blends::replace::replace)
            .service(blends::delete::delete)
            .service(quantities::understand::understand)
            .service(plans::preview::preview)
            .service(plans::preparation::preparation)
            .service(plans::setting_for_deadline::setting_for_deadline)
            .service(plans::equivalent::equivalent)
            .service(plans::convert::convert)
            .service(plans::together::together)
            .service(cooks::list::list)
            .service(cooks::create::create)
            .service(cooks::read::read)
            .service(cooks::rename::rename)
            .service(cooks::delete::delete)
            .service(cooks::restore::restore)
            .service(events::append::append)
            .service(suppers::preview::preview)
            .service(suppers::list::list)
            .service(suppers::create::create)
            .service(suppers::schema::schema)
            .service(suppers::read::read)
            .service(suppers::replace::replace)
            .service(suppers::delete::delete)
            .service(suppers::calendar::calendar)
            .route("/openapi.json", web::get().to(openapi::read))
            .default_service(web::to(nothing_here)),
    );
}

/// No route took it: a path that is known with other methods answers 405, any other 404.
async fn nothing_here(request: HttpRequest) -> HttpResponse {
    let Some(allowed) = openapi::methods_of(request.path()) else {
        return respond(&ApiError::NotFound("page").problem());
    };
    let problem = Problem {
        kind: "/problems/method_not_allowed".to_owned(),
        title: "Not done this way",
        status: 405,
        code: "method_not_allowed",
        detail: format!("{} is not answered here, only {allowed}", request.method()),
        ..ApiError::NotFound("page").problem()
    };
    let mut response = respond(&problem);
    if let Ok(value) = allowed.parse() {
        response.headers_mut().insert(header::ALLOW, value);
    }
    response
}
