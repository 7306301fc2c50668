//! What a sheet looks like: rendered, and read from its picture.

use super::*;

/// Rendered, not only asked: a letter that is missing is drawn as the same box as any other.
#[test]
fn names_of_many_tongues_are_drawn_and_what_cannot_be_is_told() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let facts = tried(&known, rigger(&known));
    let ink = |name: &str| {
        let sheet = Printed::named(&known, &wording, &facts, name);
        let read = sheet.ask("pdftotext", &["-l", "1"]);
        let picture = sheet.0.with_extension("");
        let cut = ["-l", "1", "-r", "100", "-singlefile", "-gray", "-H", "200"];
        let out = Command::new("pdftoppm")
            .args(cut)
            .args([&sheet.0, &picture])
            .output()
            .expect("poppler-utils is installed");
        assert!(out.status.success());
        let drawn = std::fs::read(picture.with_extension("pgm")).expect("a picture");
        let _ = std::fs::remove_file(picture.with_extension("pgm"));
        (read, drawn)
    };
    let mut pictures = Vec::new();
    for name in [
        "Žofie Łukášová-Ğört",
        "Nguyễn Thị Hạnh",
        "Ελένη Παπαδάκη",
        "Їван Шевчук",
        "Ștefan Ţîrlea",
    ] {
        assert_eq!(undrawn(name), "", "{name}");
        let (read, drawn) = ink(name);
        assert!(
            read.contains(name),
            "{name} is not read from the sheet: {read}"
        );
        pictures.push(drawn);
    }
    pictures.dedup();
    assert_eq!(pictures.len(), 5, "two names look the same");
    // Boxes: names of the same length in letters that nobody holds look alike, and are told.
    assert_eq!(undrawn("山 田山 Ada"), "山田");
    assert_eq!(ink("山田").1, ink("川口").1);
}

/// Letter paper, large print, and the link for a camera: read from the picture of the page by another library.
#[test]
fn the_sheet_comes_on_letter_paper_in_large_print_and_with_a_link() {
    let known = ritorno_shelf::read(&ritorno_shelf::shipped()).expect("the shipped knowledge");
    let wording = Wording::english().expect("the catalogue");
    let facts = tried(&known, rigger(&known));
    let address = "https://clinic.invalid/h#abcdefghijklmnopqrstuvwxyz";
    let code = qrcode::QrCode::new(address).expect("a code");
    let code = code.render::<qrcode::render::svg::Color>().build();
    let form = SheetForm {
        letter: true,
        large: true,
        code: Some(&code),
    };
    let printed = Printed::formed(&known, &wording, &facts, "Nerio Falanga", form);
    let info = printed.ask("pdfinfo", &[]);
    assert!(
        info.contains("(letter)") && info.contains("Tagged:          yes"),
        "{info}"
    );
    let text = flat(&printed.ask("pdftotext", &[]));
    assert!(text.contains("point its camera here"), "{text}");
    // The heights of words, in points: nothing that is to be read stands smaller than 12.
    let boxes = printed.ask("pdftotext", &["-bbox"]);
    let height = |line: &str| {
        let of = |name: &str| -> Option<f64> {
            line.split_once(name)?.1.split('"').nth(1)?.parse().ok()
        };
        Some(of("yMax")? - of("yMin")?)
    };
    let word = boxes.lines().find(|line| {
        line.contains(">comfortably<") || line.contains(">limit.<") || line.contains(">heavy.<")
    });
    assert!(word.and_then(height).expect("a word") >= 15.0, "{word:?}");
    let picture = printed.0.with_extension("");
    let out = Command::new("pdftoppm")
        .args(["-l", "1", "-r", "200", "-singlefile", "-gray"])
        .args([&printed.0, &picture])
        .output()
        .expect("poppler-utils is installed");
    assert!(out.status.success());
    let drawn = std::fs::read(picture.with_extension("pgm")).expect("a picture");
    let _ = std::fs::remove_file(picture.with_extension("pgm"));
    // A head of three numbers (width, height, 255), then a byte a point.
    let mut head = drawn.splitn(4, |byte| byte.is_ascii_whitespace());
    let mut number = || -> usize {
        let part = head.next().expect("a head");
        std::str::from_utf8(part)
            .expect("digits")
            .parse()
            .unwrap_or(0)
    };
    let (_, width, height) = (number(), number(), number());
    let points = &drawn[drawn.len() - width * height..];
    let mut page =
        rqrr::PreparedImage::prepare_from_greyscale(width, height, |x, y| points[y * width + x]);
    let found = page.detect_grids();
    assert_eq!(found[0].decode().expect("a code").1, address);
}
