//! Sealing: what is written can be read only with the key, and only as it was written.
//!
//! XChaCha20-Poly1305 in the STREAM construction, 64 kB at a time: a piece that was changed, moved or left out is told.

use crate::Failure;
use chacha20poly1305::aead::stream::{DecryptorBE32, EncryptorBE32};
use chacha20poly1305::aead::{KeyInit, OsRng, rand_core::RngCore};
use chacha20poly1305::{Key, XChaCha20Poly1305};
use std::io::{Read, Write};
use std::path::Path;

/// What a sealed file begins with.
const MARK: &[u8; 16] = b"RITORNO SEALED 1";
/// Bytes that are sealed at once.
const PIECE: usize = 64 * 1024;
/// Bytes that a piece grows by when it is sealed.
const TAG: usize = 16;
/// Random bytes that each file is sealed with.
const NONCE: usize = 19;

/// A key of 256 bits.
pub struct SealKey(Key);

impl SealKey {
    /// A fresh key in a new file that only its owner reads: 64 letters of hex.
    ///
    /// # Errors
    /// When the file is there already, or cannot be written.
    pub fn make(file: &Path) -> Result<(), Failure> {
        use std::os::unix::fs::OpenOptionsExt;
        let key = XChaCha20Poly1305::generate_key(&mut OsRng);
        let hex: String = key.iter().map(|byte| format!("{byte:02x}")).collect();
        let mut out = std::fs::OpenOptions::new()
            .write(true)
            .create_new(true)
            .mode(0o600)
            .open(file)
            .map_err(|error| format!("{}: {error}", file.display()))?;
        writeln!(out, "{hex}")?;
        Ok(())
    }

    /// The key in a file.
    ///
    /// # Errors
    /// Names the file that cannot be read or holds no key.
    pub fn read(file: &Path) -> Result<SealKey, Failure> {
        let text = std::fs::read_to_string(file)
            .map_err(|error| format!("the key {}: {error}", file.display()))?;
        let text = text.trim();
        let bytes: Option<Vec<u8>> = (0..text.len() / 2)
            .map(|n| u8::from_str_radix(text.get(2 * n..2 * n + 2)?, 16).ok())
            .collect();
        match bytes {
            Some(bytes) if bytes.len() == 32 && text.len() == 64 => {
                Ok(SealKey(*Key::from_slice(&bytes)))
            }
            _ => Err(format!("{} holds no key: 64 letters of hex", file.display()).into()),
        }
    }
}

/// Seals everything that comes from `from`.
///
/// # Errors
/// When reading or writing fails.
pub fn seal(key: &SealKey, from: &mut impl Read, to: &mut impl Write) -> Result<(), Failure> {
    let mut nonce = [0u8; NONCE];
    OsRng.fill_bytes(&mut nonce);
    to.write_all(MARK)?;
    to.write_all(&nonce)?;
    let mut sealer = EncryptorBE32::from_aead(XChaCha20Poly1305::new(&key.0), (&nonce).into());
    let mut piece = full(from, PIECE)?;
    while piece.len() == PIECE {
        let next = full(from, PIECE)?;
        to.write_all(
            &sealer
                .encrypt_next(&piece[..])
                .map_err(|_| "too long to be sealed")?,
        )?;
        piece = next;
    }
    to.write_all(
        &sealer
            .encrypt_last(&piece[..])
            .map_err(|_| "too long to be sealed")?,
    )?;
    Ok(())
}

/// Opens what was sealed. What is written before a fault is found must not be used.
///
/// # Errors
/// When it was not sealed with this key, was changed, or is not whole.
pub fn open(key: &SealKey, from: &mut impl Read, to: &mut impl Write) -> Result<(), Failure> {
    const NOT: &str = "this was not sealed with this key, was changed since, or is not whole";
    let head = full(from, MARK.len() + NONCE)?;
    let (mark, nonce) = head
        .split_at_checked(MARK.len())
        .ok_or("this is no sealed file")?;
    let nonce: &[u8; NONCE] = nonce.try_into().map_err(|_| "this is no sealed file")?;
    if mark != MARK {
        return Err("this is no sealed file".into());
    }
    let mut opener = DecryptorBE32::from_aead(XChaCha20Poly1305::new(&key.0), nonce.into());
    let mut piece = full(from, PIECE + TAG)?;
    while piece.len() == PIECE + TAG {
        let next = full(from, PIECE + TAG)?;
        to.write_all(&opener.decrypt_next(&piece[..]).map_err(|_| NOT)?)?;
        piece = next;
    }
    to.write_all(&opener.decrypt_last(&piece[..]).map_err(|_| NOT)?)?;
    Ok(())
}

/// So many bytes, fewer only at the end.
fn full(from: &mut impl Read, most: usize) -> Result<Vec<u8>, Failure> {
    let mut piece = Vec::with_capacity(most);
    from.take(most as u64).read_to_end(&mut piece)?;
    Ok(piece)
}

#[cfg(test)]
#[allow(clippy::unwrap_used)] // a test that cannot go on says so and ends
mod tests {
    use super::*;

    fn key(byte: u8) -> SealKey {
        SealKey(*Key::from_slice(&[byte; 32]))
    }

    #[test]
    fn what_was_sealed_comes_back_and_nothing_else_does() {
        for long in [0, 1, PIECE - 1, PIECE, PIECE + 1, 3 * PIECE + 7] {
            let text: Vec<u8> = (0..long).map(|n| (n % 251) as u8).collect();
            let mut sealed = Vec::new();
            seal(&key(1), &mut &text[..], &mut sealed).unwrap();
            let mut back = Vec::new();
            open(&key(1), &mut &sealed[..], &mut back).unwrap();
            assert_eq!(back, text, "{long}");
            let refused =
                |bytes: &[u8], key: &SealKey| open(key, &mut &bytes[..], &mut Vec::new()).is_err();
            assert!(refused(&sealed, &key(2)), "another key");
            for at in [0, 20, sealed.len() / 2, sealed.len() - 1] {
                let mut changed = sealed.clone();
                changed[at] ^= 1;
                assert!(refused(&changed, &key(1)), "{long} changed at {at}");
            }
            for cut in [1, TAG, TAG + 1, sealed.len() - 1, PIECE + TAG] {
                if cut < sealed.len() {
                    assert!(
                        refused(&sealed[..sealed.len() - cut], &key(1)),
                        "{long} cut by {cut}"
                    );
                }
            }
        }
    }
}
