//! What is done after the rest: a hot pan, the hot machine again.

use super::Problem;
use super::outcomes::FaceOutcome;
use crate::fryer::{Action, OPENING, Rest, Run, Which};
use crate::plan::request::Finish;
use crate::units::{Interval, Temperature};

/// What became of the meat after the rest.
#[derive(Debug, Clone, Copy, PartialEq)]
pub struct Finished {
    /// How long it took.
    pub lasts: Interval,
    /// The coldest spot at its end.
    pub core: Temperature,
    /// What a thermometer shows then.
    pub reading: Temperature,
    /// The face that starts above and the other, at its end.
    pub faces: [FaceOutcome; 2],
}

/// Finishes a run that has rested, while `watch` looks on; nothing where nothing is done to it.
pub fn finish_watched(
    problem: &Problem,
    run: &mut Run,
    turned: bool,
    mut watch: impl FnMut(&Run),
) -> Option<Finished> {
    let mut go_on = |run: &mut Run, time: Interval| {
        let until = run.elapsed() + time.seconds();
        while run.elapsed() < until - 1e-9 {
            run.step(until - run.elapsed());
            watch(run);
        }
    };
    match problem.request.finish {
        Finish::None => return None,
        Finish::Pan(face) => {
            run.pull(Rest::Pan);
            // First the face that has looked up, so that it looks up again on the plate.
            for _ in 0..2 {
                run.perform(&[Action::Turn(Which::All)]);
                go_on(run, face);
            }
        }
        Finish::Crisp { setting, time } => {
            run.put_back(problem.true_to(setting.celsius()));
            run.open(OPENING);
            go_on(run, time);
        }
        Finish::Shred(time) => go_on(run, time),
    }
    let piece = run.piece();
    let (above, below) = (
        FaceOutcome::of(piece.upper()),
        FaceOutcome::of(piece.lower()),
    );
    Some(Finished {
        lasts: problem.request.finish.lasts(),
        core: Temperature::from_celsius(run.core()),
        reading: Temperature::from_celsius(run.reading()),
        faces: if turned {
            [below, above]
        } else {
            [above, below]
        },
    })
}
