//! Check 6 of the heat model: common practice, one set of constants per kind of machine.
#![allow(clippy::unwrap_used, clippy::indexing_slicing, clippy::panic)]

mod facts;

use std::fmt::Write;

use ember_core::meat::Browning;
use facts::{Constants, advance, facts, predicted, run};

#[test]
fn every_row_of_common_practice_is_met() {
    let mut table = String::new();
    let mut missed = Vec::new();
    for fact in facts() {
        let got = predicted(&fact, &Constants::of_plans());
        let [low, high] = fact.range;
        let inside = got >= low && got <= high;
        writeln!(
            table,
            "{:<11} {:>6.1}   {:>4.0} - {:<4.0} {}",
            fact.id,
            got,
            low,
            high,
            if inside { "inside" } else { "MISSED" }
        )
        .unwrap();
        if !inside {
            missed.push(fact.id);
        }
    }
    insta::assert_snapshot!(table);
    assert!(missed.is_empty(), "outside common practice: {missed:?}");
}

/// Common practice: the face turned down is still pale after 15 min, both are crisp after 30.
#[test]
fn wings_are_pale_below_at_half_time_and_crisp_at_the_end() {
    let fact = facts().into_iter().find(|fact| fact.id == "wings").unwrap();
    let mut run = run(&fact, &Constants::of_plans());
    advance(&mut run, &fact, 15.0);
    let (up, down) = (run.piece().upper().browning, run.piece().lower().browning);
    advance(&mut run, &fact, 30.0);
    let after = [run.piece().upper().browning, run.piece().lower().browning];
    assert_eq!(Browning::of(down), Browning::Pale, "{down}");
    assert!(up > down);
    assert!(
        after.iter().all(|b| Browning::of(*b) >= Browning::Golden),
        "{after:?}"
    );
    assert!(
        after.iter().all(|b| Browning::of(*b) < Browning::Burnt),
        "{after:?}"
    );
}
