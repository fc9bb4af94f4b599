//! The cookie that holds a device's secret: not for scripts, not for other sites, and over TLS for nothing else.

use actix_web::HttpRequest;
use actix_web::cookie::time::Duration;
use actix_web::cookie::{Cookie, SameSite};

use super::{KEPT_DAYS, Secret};

/// Bound to this very host and to TLS by its name (RFC 6265bis, 4.1.3.2).
const SECURE: &str = "__Host-ember";
/// Where there is no TLS.
const PLAIN: &str = "ember";

const fn name(is_secure: bool) -> &'static str {
    if is_secure { SECURE } else { PLAIN }
}

/// What a device sent.
#[must_use]
pub fn read(request: &HttpRequest, is_secure: bool) -> Option<String> {
    let cookie = request.cookie(name(is_secure))?;
    Some(cookie.value().to_owned()).filter(|value| value.len() < 200)
}

/// What a device is to keep.
#[must_use]
pub fn keep(secret: &Secret, is_secure: bool) -> Cookie<'static> {
    Cookie::build(name(is_secure), secret.reveal().to_owned())
        .path("/")
        .http_only(true)
        .secure(is_secure)
        .same_site(SameSite::Strict)
        .max_age(Duration::days(KEPT_DAYS))
        .finish()
}

/// That a device is to forget it.
#[must_use]
pub fn forget(is_secure: bool) -> Cookie<'static> {
    let mut cookie = keep(&Secret::sent(""), is_secure);
    cookie.set_max_age(Duration::ZERO);
    cookie
}
