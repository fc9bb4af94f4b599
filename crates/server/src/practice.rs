//! A thermometer that is played, to try a cook without one: a program of its own that ships with the server and
//! sends to it as any device does.

use std::path::PathBuf;
use std::process::{Child, Command, Stdio};
use std::sync::{Arc, Mutex, PoisonError};

use uuid::Uuid;

use crate::error::ApiError;

/// The program, beside this one.
const PROGRAM: &str = "ember-probe";
/// So many are played at once; the oldest ends for another.
const MOST: usize = 4;
/// What tells the identity of a cook's thermometer from the cook's: an arbitrary number of ours.
const OF_COOK: u128 = 0x0e1b_e700_0000_0000_0000_0000_0000_0001;
/// The one that `./start --practice-thermometer` plays.
const OF_START: Uuid = Uuid::from_u128(0x0e1b_e700_0000_4000_8000_0000_0000_0001);
/// So many seconds of the cook in one, until it has caught up with the clock.
const SPEED: &str = "600";

/// Plays thermometers.
#[derive(Clone)]
pub struct Practice {
    program: PathBuf,
    url: String,
    playing: Arc<Playing>,
}

/// Ends with the server.
#[derive(Default)]
struct Playing(Mutex<Vec<(Uuid, Child)>>);

impl Drop for Playing {
    fn drop(&mut self) {
        let playing = self.0.get_mut().unwrap_or_else(PoisonError::into_inner);
        for (_, child) in playing {
            let _ = child.kill();
            let _ = child.wait();
        }
    }
}

impl Practice {
    /// With the program beside this one, which sends to `url`; nothing where it is not there.
    #[must_use]
    pub fn beside(url: String) -> Option<Self> {
        let program = std::env::current_exe().ok()?.with_file_name(PROGRAM);
        program.is_file().then(|| Self {
            program,
            url,
            playing: Arc::default(),
        })
    }

    /// The identity of the thermometer that is played for a cook.
    #[must_use]
    pub fn thermometer(cook: Uuid) -> Uuid {
        Uuid::from_u128(cook.as_u128() ^ OF_COOK)
    }

    /// Whether a thermometer of a cook is played: what it says is not the meat, and nothing is safe by it.
    ///
    /// ```
    /// use ember_server::practice::Practice;
    /// use uuid::Uuid;
    /// let cook = Uuid::from_u128(7);
    /// assert!(Practice::is_played(Practice::thermometer(cook), Some(cook)));
    /// assert!(!Practice::is_played(Uuid::from_u128(8), Some(cook)));
    /// ```
    #[must_use]
    pub fn is_played(thermometer: Uuid, cook: Option<Uuid>) -> bool {
        thermometer == OF_START || cook.is_some_and(|cook| thermometer == Self::thermometer(cook))
    }

    /// Plays one for a cook from when that was loaded, at the machine's setting, unless it is played already.
    ///
    /// # Errors
    /// That the program does not run.
    pub fn play(&self, cook: Uuid, token: &str, setting_c: f64) -> Result<(), ApiError> {
        let playing = self.playing.0.lock();
        let mut playing = playing.unwrap_or_else(PoisonError::into_inner);
        // What has ended is forgotten.
        playing.retain_mut(|(_, child)| matches!(child.try_wait(), Ok(None)));
        if playing.iter().any(|(of, _)| *of == cook) {
            return Ok(());
        }
        while playing.len() >= MOST {
            let (_, mut oldest) = playing.remove(0);
            let _ = oldest.kill();
            let _ = oldest.wait();
        }
        let child = Command::new(&self.program)
            .args(["--url", &self.url, "--token", token, "--speed", SPEED])
            .arg("--follow")
            .args(["--setting", &setting_c.to_string()])
            .args(["--seed", &(cook.as_u128() as u64).to_string()])
            .stdin(Stdio::null())
            .stdout(Stdio::null())
            .spawn()
            .map_err(|error| ApiError::Fault(error.into()))?;
        playing.push((cook, child));
        Ok(())
    }
}
