//! The API description and the schemas of documents as they are served: made once, when the service
//! starts.

/// Texts, and which methods each path answers.
#[derive(Debug, Clone)]
pub struct Description {
    /// OpenAPI 3.1.
    pub openapi: String,
    /// JSON Schema of a document of machines.
    pub machines: String,
    /// JSON Schema of the log.
    pub log: String,
    /// JSON Schema of a supper.
    pub supper: String,
    /// Paths as they are described, with the methods of each.
    pub paths: Vec<(String, String)>,
}

impl Description {
    /// The methods that a path answers, as an Allow header tells them; nothing for an unknown path.
    #[must_use]
    pub fn methods_of(&self, path: &str) -> Option<&str> {
        let mut paths = self.paths.iter();
        let found = paths.find(|(known, _)| same_path(known, path));
        found.map(|(_, methods)| methods.as_str())
    }
}

/// Whether a path fits one with `{...}` for a part.
fn same_path(known: &str, path: &str) -> bool {
    let (mut a, mut b) = (known.split('/'), path.split('/'));
    loop {
        match (a.next(), b.next()) {
            (None, None) => return true,
            (Some(part), Some(given)) if part.starts_with('{') && !given.is_empty() => {}
            (Some(x), Some(y)) if x == y => {}
            _ => return false,
        }
    }
}
