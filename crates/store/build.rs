//! A new migration is built in without anything else being touched.

fn main() {
    println!("cargo:rerun-if-changed=migrations");
}
