//! Headers that every answer carries.

use actix_web::body::MessageBody;
use actix_web::dev::{ServiceRequest, ServiceResponse};
use actix_web::http::header::{self, HeaderMap, HeaderName, HeaderValue};
use actix_web::middleware::Next;

/// What a page of ours may do, each with its reason.
const POLICY: [(&str, &str); 12] = [
    // Whatever is not named below is not used, so nobody else may make use of it.
    ("default-src", "'none'"),
    // Scripts are files of ours; there are none in the page, so injected ones do not run.
    ("script-src", "'self'"),
    // The style library writes its rules into the page. Styles run no code.
    ("style-src", "'self' 'unsafe-inline'"),
    // Drawings of ours; a picture of the strip is made in the browser.
    ("img-src", "'self' data: blob:"),
    // Shipped with the application.
    ("font-src", "'self'"),
    // The API.
    ("connect-src", "'self'"),
    // Installing on a phone, and working with the network gone.
    ("manifest-src", "'self'"),
    ("worker-src", "'self'"),
    // Alarms are sounds made in the browser.
    ("media-src", "'self' data: blob:"),
    // No form is ever sent as a page.
    ("form-action", "'none'"),
    // Links mean what they say.
    ("base-uri", "'none'"),
    // No other page shows ours under a picture of something else.
    ("frame-ancestors", "'none'"),
];

/// The others, each with its reason.
const OTHERS: [(HeaderName, &str); 6] = [
    // A file is what its type says, not what it looks like.
    (header::X_CONTENT_TYPE_OPTIONS, "nosniff"),
    // For browsers that do not know frame-ancestors.
    (header::X_FRAME_OPTIONS, "DENY"),
    // A sentence stands in the address; nobody else needs to know it.
    (header::REFERRER_POLICY, "same-origin"),
    // What a cooking page has no use for. The wake lock keeps the screen on at the fryer.
    (
        header::PERMISSIONS_POLICY,
        "camera=(), microphone=(), geolocation=(), payment=(), usb=(), screen-wake-lock=(self)",
    ),
    // Pages of others can neither read our answers nor hold on to our window.
    (header::CROSS_ORIGIN_RESOURCE_POLICY, "same-origin"),
    (header::CROSS_ORIGIN_OPENER_POLICY, "same-origin"),
];

/// Writes them.
///
/// # Errors
/// Those of the service behind.
pub async fn written(
    request: ServiceRequest,
    next: Next<impl MessageBody + 'static>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let mut response = next.call(request).await?;
    write(response.headers_mut());
    Ok(response)
}

fn write(headers: &mut HeaderMap) {
    let policy: Vec<String> = POLICY
        .iter()
        .map(|(directive, sources)| format!("{directive} {sources}"))
        .collect();
    if let Ok(policy) = HeaderValue::from_str(&policy.join("; ")) {
        headers.insert(header::CONTENT_SECURITY_POLICY, policy);
    }
    for (name, value) in OTHERS {
        headers.insert(name, HeaderValue::from_static(value));
    }
    // What is not said to be kept is asked for again.
    if !headers.contains_key(header::CACHE_CONTROL) {
        headers.insert(header::CACHE_CONTROL, HeaderValue::from_static("no-cache"));
    }
}
