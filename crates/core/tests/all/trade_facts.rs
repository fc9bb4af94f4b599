//! Check 6 of the heat model: common practice, one set of constants per kind of machine.

use std::fmt::Write;

use crate::facts::{Colour, Constants, browned, colours, facts, predicted};
use ember_core::meat::Browning;

/// Source: common practice, `data/trade-facts.csv`: what a thermometer shows, and when. A row that misses is
/// told as missed; none misses by more than a quarter of its width.
#[test]
fn rows_of_common_practice() {
    let mut table = String::new();
    let mut far = Vec::new();
    for fact in facts() {
        let got = predicted(&fact, &Constants::of_plans());
        let [low, high] = fact.range;
        let out = (low - got).max(got - high) / (high - low);
        let verdict = if out <= 0.0 { "inside" } else { "MISSED" };
        writeln!(
            table,
            "{:<13} {got:>6.1}   {low:>4.0} to {high:<4.0} {verdict}",
            fact.id
        )
        .unwrap();
        if out > 0.25 {
            far.push(fact.id);
        }
    }
    insta::assert_snapshot!(table);
    assert!(far.is_empty(), "far outside common practice: {far:?}");
}

/// Source: common practice, `data/colour-facts.csv`: what faces look like.
#[test]
fn colours_of_common_practice() {
    let mut table = String::new();
    let mut missed = Vec::new();
    for row in colours() {
        let Colour { words, faces, .. } = row;
        for (face, amount) in browned(&row, &Constants::of_plans())
            .into_iter()
            .enumerate()
        {
            if !faces[face] {
                continue;
            }
            let got = Browning::of(amount);
            let inside = got >= words[0] && got <= words[1];
            writeln!(
                table,
                "{:<12} {} {:<6} {:.1}   {} to {}",
                row.fact.id,
                ["upper", "lower"][face],
                got.word(),
                Browning::scale(amount),
                words[0].word(),
                words[1].word(),
            )
            .unwrap();
            if !inside {
                missed.push(row.fact.id.clone());
            }
        }
    }
    insta::assert_snapshot!(table);
    assert!(missed.is_empty(), "outside common practice: {missed:?}");
}
