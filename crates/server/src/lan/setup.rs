//! The page that a phone opens first, without TLS: how to trust this machine, and how to stop that. It shows
//! nothing of the kitchen.

use actix_web::http::header::{self, ContentDisposition};
use actix_web::web::{self, Data, ServiceConfig};
use actix_web::{HttpResponse, get};

use super::Lan;

/// The page and the file it offers; every other address leads to the page.
pub fn page(lan: Data<Lan>) -> impl FnOnce(&mut ServiceConfig) {
    |config| {
        config
            .app_data(lan)
            .service(how)
            .service(authority)
            .default_service(web::to(elsewhere));
    }
}

#[get("/")]
async fn how(lan: Data<Lan>) -> HttpResponse {
    let fingerprint = lan.setup.as_ref().map(|setup| setup.fingerprint.as_str());
    let page = include_str!("setup.html")
        .replace("{address}", &lan.address)
        .replace("{fingerprint}", fingerprint.unwrap_or_default());
    HttpResponse::Ok()
        .content_type("text/html; charset=utf-8")
        .insert_header((
            header::CONTENT_SECURITY_POLICY,
            "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'",
        ))
        .insert_header((header::X_CONTENT_TYPE_OPTIONS, "nosniff"))
        .body(page)
}

#[get("/zesty-ember.crt")]
async fn authority(lan: Data<Lan>) -> HttpResponse {
    let Some(setup) = &lan.setup else {
        return HttpResponse::NotFound().finish();
    };
    HttpResponse::Ok()
        .content_type("application/x-x509-ca-cert")
        .insert_header(ContentDisposition::attachment("zesty-ember.crt"))
        .body(setup.authority.clone())
}

async fn elsewhere() -> HttpResponse {
    HttpResponse::Found()
        .insert_header((header::LOCATION, "/"))
        .finish()
}
