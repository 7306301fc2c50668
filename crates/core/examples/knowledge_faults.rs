//! Says what is wrong in the knowledge folder: `cargo run -p ritorno-core --example knowledge_faults`.

fn main() {
    match ritorno_shelf::read(&ritorno_shelf::shipped()) {
        Ok(known) => println!(
            "{} tests, {} exercises: no fault",
            known.tests.len(),
            known.exercises.len()
        ),
        Err(faults) => println!("{faults}"),
    }
}
