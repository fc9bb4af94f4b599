//! The built web application.

use std::path::{Path, PathBuf};

use actix_files::{Files, NamedFile};
use actix_web::body::{BoxBody, MessageBody};
use actix_web::dev::{ServiceRequest, ServiceResponse, fn_service};
use actix_web::http::header::{
    AcceptEncoding, CACHE_CONTROL, ContentEncoding, Encoding, Header, HeaderValue, VARY,
};
use actix_web::middleware::{Next, from_fn};
use actix_web::web::{self, ServiceConfig};
use actix_web::{HttpResponse, ResponseError};

use crate::error::ApiError;

/// The name of a hashed file changes with what it holds, so it is kept for a year.
const FOR_EVER: HeaderValue = HeaderValue::from_static("public, max-age=31536000, immutable");

/// Serves it: hashed files below `/assets/`, other files, and its page for every address that is a
/// place of its own. An address that looks like a file and is none is 404, so that a browser never
/// takes the page for a script.
pub fn service(dir: &Path) -> impl Fn(&mut ServiceConfig) + use<> {
    let dir = dir.to_owned();
    move |config| {
        let assets_dir = dir.join("assets");
        let assets = Files::new("/assets", &assets_dir).default_handler(fn_service(
            |request: ServiceRequest| async move {
                let (request, _) = request.into_parts();
                Ok(ServiceResponse::new(request, not_there()))
            },
        ));
        config
            .service(
                web::scope("")
                    .guard(actix_web::guard::fn_guard(|context| {
                        context.head().uri.path().starts_with("/assets/")
                    }))
                    .wrap(from_fn(move |request, next| {
                        kept(assets_dir.clone(), request, next)
                    }))
                    .service(assets),
            )
            .service(pages(&dir));
    }
}

async fn kept(
    dir: PathBuf,
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<BoxBody>, actix_web::Error> {
    let mut response = match packed(&dir, &request) {
        Some(file) => {
            let answer = file.into_response(request.request());
            request.into_response(answer)
        }
        None => next.call(request).await?.map_into_boxed_body(),
    };
    if response.status().is_success() || response.status().as_u16() == 304 {
        let headers = response.headers_mut();
        headers.insert(CACHE_CONTROL, FOR_EVER);
        headers.insert(VARY, HeaderValue::from_static("accept-encoding"));
    }
    Ok(response)
}

/// What the build has compressed beside a file, better than can be done while somebody waits, for a
/// browser that takes it.
fn packed(dir: &Path, request: &ServiceRequest) -> Option<NamedFile> {
    let accepted = AcceptEncoding::parse(request).ok()?;
    let offered = [Encoding::gzip(), Encoding::identity()];
    if accepted.negotiate(offered.iter()) != Some(Encoding::gzip()) {
        return None;
    }
    let name = request.path().strip_prefix("/assets/")?;
    let plain = |sign: char| sign.is_ascii_alphanumeric() || matches!(sign, '-' | '_' | '.');
    if !name.chars().all(plain) {
        return None;
    }
    let kind = actix_files::file_extension_to_mime(name.rsplit_once('.')?.1);
    let file = NamedFile::open(dir.join(format!("{name}.gz"))).ok()?;
    Some(
        file.set_content_type(kind)
            .set_content_encoding(ContentEncoding::Gzip),
    )
}

fn not_there() -> HttpResponse {
    ApiError::NotFound("page").error_response()
}

fn pages(dir: &Path) -> Files {
    let page = dir.join("index.html");
    Files::new("/", dir)
        .index_file("index.html")
        .default_handler(fn_service(move |request: ServiceRequest| {
            let page = page.clone();
            async move {
                let (request, _) = request.into_parts();
                let response = if is_place(request.path()) {
                    match NamedFile::open(page) {
                        Ok(file) => file.into_response(&request),
                        Err(_) => ApiError::NotFound("built web application").error_response(),
                    }
                } else {
                    not_there()
                };
                Ok(ServiceResponse::new(request, response))
            }
        }))
}

/// Whether an address can be a place of the application: nothing of the API, and no file.
fn is_place(path: &str) -> bool {
    let last = PathBuf::from(path);
    !path.starts_with("/api/") && path != "/api" && last.extension().is_none()
}

#[cfg(test)]
mod tests {
    use super::is_place;

    #[test]
    fn places_have_no_ending() {
        for path in ["/", "/plan", "/supper/00000000-0000-4000-8000-000000000000"] {
            assert!(is_place(path), "{path}");
        }
        for path in [
            "/sw.js",
            "/old/deep.js",
            "/api/x",
            "/api",
            "/robots.txt",
            "/assets/a.css",
        ] {
            assert!(!is_place(path), "{path}");
        }
    }
}
