//! Takes the knowledge folder off the disk: the core reads text only, so somebody has to open the files.

use ritorno_core::admission::{NamedText, load};
use ritorno_core::knowledge::Knowledge;
use std::path::Path;

/// Every file below `folder` with this extension, in order of name: its path below the folder, and its text.
///
/// # Errors
/// The path that could not be read, and why; a file that is not UTF-8 is one.
pub fn below(folder: &Path, extension: &str) -> Result<Vec<NamedText>, String> {
    fn walk(
        dir: &Path,
        root: &Path,
        extension: &str,
        out: &mut Vec<NamedText>,
    ) -> Result<(), String> {
        let broken = |error: std::io::Error| format!("{}: {error}", dir.display());
        let mut paths = std::fs::read_dir(dir)
            .map_err(broken)?
            .map(|e| e.map(|e| e.path()))
            .collect::<Result<Vec<_>, _>>()
            .map_err(broken)?;
        paths.sort();
        for path in paths {
            if path.is_dir() {
                walk(&path, root, extension, out)?;
            } else if path.extension().is_some_and(|e| e == extension) {
                let name = path
                    .strip_prefix(root)
                    .unwrap_or(&path)
                    .to_string_lossy()
                    .into_owned();
                let text =
                    std::fs::read_to_string(&path).map_err(|error| format!("{name}: {error}"))?;
                out.push(NamedText { name, text });
            }
        }
        Ok(())
    }
    let mut out = Vec::new();
    walk(folder, folder, extension, &mut out)?;
    Ok(out)
}

/// The knowledge files below `folder`.
///
/// # Errors
/// As for [`below`].
pub fn texts(folder: &Path) -> Result<Vec<NamedText>, String> {
    below(folder, "toml").map_err(|error| format!("knowledge/{error}"))
}

/// Reads and checks the folder.
///
/// # Errors
/// Every fault, a line each, naming file, row and field.
pub fn read(folder: &Path) -> Result<Knowledge, String> {
    load(&texts(folder)?).map_err(|faults| {
        faults
            .iter()
            .map(ToString::to_string)
            .collect::<Vec<_>>()
            .join("\n")
    })
}

/// The folder that ships with this source, for tests, examples and benches.
pub fn shipped() -> std::path::PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../../knowledge")
}
