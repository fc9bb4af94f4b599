//! Households, their devices, and requests as one of them.

use actix_http::Request;
use actix_web::body::BoxBody;
use actix_web::dev::{Service, ServiceResponse};
use actix_web::http::Method;
use actix_web::test::{TestRequest, call_service};
use actix_web::{Error, test};
use chrono::Utc;
use ember_server::startup::invited;
use serde_json::{Value, json};

use super::{Database, call};

/// A device with what it keeps.
pub struct Device(pub String);

/// What an answer asks a browser to keep, as it sends it back.
pub fn kept(response: &ServiceResponse<BoxBody>) -> Option<String> {
    let cookie = response.headers().get("set-cookie")?.to_str().unwrap();
    Some(cookie.split(';').next().unwrap().to_owned())
}

/// A request as this server takes it, with a body or without.
pub fn request(method: &str, path: &str, body: Option<&Value>) -> TestRequest {
    let request = TestRequest::default()
        .method(method.parse::<Method>().unwrap())
        .uri(path)
        .insert_header(("host", "localhost"));
    match body {
        Some(body) => request.set_json(body),
        None => request,
    }
}

impl Device {
    /// The first one of a new household.
    pub async fn first<S>(app: &S, database: &Database) -> Self
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let secret = invited(&database.owner_url(), Utc::now()).unwrap();
        Self::by(app, secret.reveal()).await.expect("let in")
    }

    /// One that comes by a link.
    pub async fn by<S>(app: &S, secret: &str) -> Result<Self, u16>
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let wish = json!({ "secret": secret, "device": "Tablet" });
        Self::let_in(app, "/api/session/join", &wish).await
    }

    /// One that signs in.
    pub async fn signs_in<S>(app: &S, household: &str, passphrase: &str) -> Result<Self, u16>
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let wish = json!({ "household": household, "passphrase": passphrase, "device": "Laptop" });
        Self::let_in(app, "/api/session", &wish).await
    }

    async fn let_in<S>(app: &S, path: &str, wish: &Value) -> Result<Self, u16>
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let response = call_service(app, request("POST", path, Some(wish)).to_request()).await;
        match response.status().as_u16() {
            204 => Ok(Self(kept(&response).unwrap())),
            refused => Err(refused),
        }
    }

    /// Status and body of what it asks.
    pub async fn asks<S>(
        &self,
        app: &S,
        method: &str,
        path: &str,
        body: Option<&Value>,
    ) -> (u16, Value)
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let asked = request(method, path, body).insert_header(("cookie", self.0.as_str()));
        call(app, asked).await
    }

    /// Status and text of what it asks, whatever kind of text.
    pub async fn reads<S>(
        &self,
        app: &S,
        method: &str,
        path: &str,
        body: Option<&Value>,
    ) -> (u16, String)
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let asked = request(method, path, body).insert_header(("cookie", self.0.as_str()));
        let response = call_service(app, asked.to_request()).await;
        let status = response.status().as_u16();
        let body = test::read_body(response).await;
        (status, String::from_utf8_lossy(&body).into_owned())
    }

    /// What must go well.
    pub async fn does<S>(&self, app: &S, method: &str, path: &str, body: Option<&Value>) -> Value
    where
        S: Service<Request, Response = ServiceResponse<BoxBody>, Error = Error>,
    {
        let (status, answer) = self.asks(app, method, path, body).await;
        assert!(status < 300, "{method} {path} {status}: {answer}");
        answer
    }
}
