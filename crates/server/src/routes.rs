//! The route table.

use actix_web::http::Method;
use actix_web::{HttpRequest, HttpResponse, web};
use utoipa_actix_web::scope;
use utoipa_actix_web::service_config::ServiceConfig;

use crate::error::{ApiError, Problem, respond};
use crate::handlers::{catalogue, cooks, events, health, machines, plans, quantities};
use crate::openapi;

/// Everything below `/api`.
pub fn api(config: &mut ServiceConfig) {
    config.service(
        scope("/api")
            .service(health::read::read)
            .service(catalogue::read::read)
            .service(machines::list::list)
            .service(quantities::understand::understand)
            .service(plans::preview::preview)
            .service(cooks::list::list)
            .service(cooks::create::create)
            .service(cooks::read::read)
            .service(cooks::rename::rename)
            .service(cooks::delete::delete)
            .service(cooks::restore::restore)
            .service(events::append::append)
            .route("/openapi.json", web::get().to(openapi::read))
            .default_service(web::to(nothing_here)),
    );
}

/// The methods that some path of the API answers; another method there is a 405.
const KNOWN: [(&str, &str); 9] = [
    ("/api/health", "GET"),
    ("/api/catalogue", "GET"),
    ("/api/machines", "GET"),
    ("/api/quantities", "POST"),
    ("/api/plans/preview", "POST"),
    ("/api/cooks", "GET, POST"),
    ("/api/cooks/{id}", "GET, PATCH, DELETE"),
    ("/api/cooks/{id}/restore", "POST"),
    ("/api/cooks/{id}/events", "POST"),
];

async fn nothing_here(request: HttpRequest) -> HttpResponse {
    let path = request.path();
    let known = KNOWN.iter().find(|(pattern, _)| same_path(pattern, path));
    match known {
        Some((_, allowed)) if *request.method() != Method::OPTIONS => {
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
                response
                    .headers_mut()
                    .insert(actix_web::http::header::ALLOW, value);
            }
            response
        }
        _ => respond(&ApiError::NotFound("page").problem()),
    }
}

fn same_path(pattern: &str, path: &str) -> bool {
    let (mut a, mut b) = (pattern.split('/'), path.split('/'));
    loop {
        match (a.next(), b.next()) {
            (None, None) => return true,
            (Some("{id}"), Some(part)) if !part.is_empty() => {}
            (Some(x), Some(y)) if x == y => {}
            _ => return false,
        }
    }
}
