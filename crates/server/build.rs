//! Keeps the embedded migrations fresh.
fn main() {
    println!("cargo:rerun-if-changed=migrations");
}
