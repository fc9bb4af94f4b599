use actix_web::http::header;
use actix_web::web::Data;
use actix_web::{HttpRequest, HttpResponse, post};

use crate::access::links::{self, LinkKind};
use crate::access::{Access, Secret};
use crate::body::Body;
use crate::dto::access::{LinkDto, MadeLinkDto, NewLinkDto};
use crate::error::{ApiError, Problem};
use crate::guard::Peer;
use crate::kitchen::Kitchen;
use crate::lan::{Lan, picture};
use crate::suppers;

/// Makes an address with a secret: for a phone that is held to the screen, for somebody who is invited, for a
/// calendar. It is told in this answer and never again.
#[utoipa::path(
    operation_id = "make_link",
    tag = "access",
    request_body = NewLinkDto,
    responses(
        (status = 201, body = MadeLinkDto),
        (status = 404, body = Problem, content_type = "application/problem+json"),
        (status = 409, body = Problem, content_type = "application/problem+json"),
        (status = 507, body = Problem, content_type = "application/problem+json"),
    )
)]
#[post("/links")]
pub async fn make(
    kitchen: Kitchen,
    access: Data<Access>,
    lan: Data<Option<Lan>>,
    request: HttpRequest,
    body: Body<NewLinkDto>,
) -> Result<HttpResponse, ApiError> {
    let (new, now) = (body.into_inner(), kitchen.now());
    let kind = LinkKind::from(new.kind);
    let of = match kind {
        LinkKind::Calendar => Some(new.supper.ok_or_else(|| {
            ApiError::invalid("supper", "say which supper the calendar is to look at")
        })?),
        _ => None,
    };
    if kind.lets_in() && !access.sign_in {
        return Err(ApiError::invalid(
            "kind",
            "this server asks nobody to sign in; start it with --lan to let phones in",
        ));
    }
    let (link, secret) = kitchen
        .query(move |connection| {
            if let Some(supper) = of {
                suppers::whole(connection, supper)?;
            }
            links::make(connection, kind, of, now)
        })
        .await?;
    let address = address(&request, &access, Option::as_ref(&lan), kind, &secret);
    Ok(HttpResponse::Created()
        .insert_header((header::CACHE_CONTROL, "no-store"))
        .json(MadeLinkDto {
            picture_svg: picture(&address).filter(|_| kind.lets_in()),
            link: LinkDto::from(link),
            address,
        }))
}

/// The secret that lets somebody in stands behind the #, which browsers do not send and servers do not log.
fn address(
    request: &HttpRequest,
    access: &Access,
    lan: Option<&Lan>,
    kind: LinkKind,
    secret: &Secret,
) -> String {
    let host = request.headers().get(header::HOST);
    let host = host.and_then(|host| host.to_str().ok()).unwrap_or_default();
    let scheme = if Peer::of(request, access).is_secure {
        "https"
    } else {
        "http"
    };
    // A phone does not reach this computer by the name that the computer has for itself.
    let origin = lan.map_or_else(|| format!("{scheme}://{host}"), |lan| lan.address.clone());
    let secret = secret.reveal();
    match kind {
        LinkKind::Calendar => format!("{origin}/api/calendars/{secret}.ics"),
        LinkKind::Thermometer => format!("{origin}/api/thermometers/{secret}/readings"),
        LinkKind::Device | LinkKind::Invitation => format!("{origin}/join#{secret}"),
    }
}
