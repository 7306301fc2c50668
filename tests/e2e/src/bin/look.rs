//! Looks at any screen of the demo: `look FOLDER WIDTHxHEIGHT STEP…`, run with the cluster of ./test.
//!
//! A step is `open:Family name`, `goto:/path`, `keys:gs`, `click:css`, `typed:text`, `fill:css=text`, `see:css`, `says:text`,
//! `scroll:css`, `until:js`, `js:js`, `tell:js`, `size:390x844`, `shot:name` or `print:name`. `{e}` in a path is the patient opened last.
#![allow(clippy::expect_used, clippy::unwrap_used)] // a tool that cannot go on says so and ends

use ritorno_e2e::{House, PrintOrientation};

fn size(text: &str) -> (u32, u32) {
    let (w, h) = text.split_once('x').expect("WIDTHxHEIGHT");
    (w.parse().expect("a width"), h.parse().expect("a height"))
}

#[tokio::main]
async fn main() {
    let args: Vec<String> = std::env::args().skip(1).collect();
    let [folder, first, steps @ ..] = args.as_slice() else {
        panic!("look FOLDER WIDTHxHEIGHT STEP…")
    };
    std::fs::create_dir_all(folder).expect("a folder");
    let (width, height) = size(first);
    let house = House::open("look", width, height).await;
    house.resize(width, height).await;
    house.sign_in().await;
    let mut episode = String::new();
    for step in steps {
        let (verb, rest) = step.split_once(':').expect("verb:rest");
        match verb {
            "open" => episode = house.open_patient(rest).await,
            "goto" => house.goto(&rest.replace("{e}", &episode)).await,
            "keys" => house.keys(rest).await,
            "click" => house.click(rest).await,
            "typed" => house.typed(rest).await,
            "fill" => {
                let (css, text) = rest.split_once('=').expect("css=text");
                house.fill(css, text).await;
            }
            "see" => drop(house.see(rest).await),
            "says" => house.says(rest).await,
            "until" => house.until(rest).await,
            "js" => drop(house.value(rest).await),
            "tell" => println!("{}", house.value(rest).await),
            "scroll" => house.scroll(rest).await,
            "size" => {
                let (w, h) = size(rest);
                house.resize(w, h).await;
            }
            "print" => {
                let pdf = house.pdf(PrintOrientation::Landscape).await;
                std::fs::write(
                    std::path::Path::new(folder).join(format!("{rest}.pdf")),
                    pdf,
                )
                .expect("written");
            }
            "shot" => {
                house
                    .picture(&std::path::Path::new(folder).join(format!("{rest}.png")))
                    .await
            }
            other => panic!("no such step: {other}"),
        }
    }
    house.close().await;
}
