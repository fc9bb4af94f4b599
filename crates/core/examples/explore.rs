#![allow(
    clippy::all,
    clippy::pedantic,
    clippy::unwrap_used,
    clippy::indexing_slicing,
    clippy::panic,
    clippy::print_stdout,
    missing_docs
)]
#[path = "../tests/facts/mod.rs"]
mod facts;
use ember_core::fryer::Rest;
use facts::*;
fn main() {
    let what = std::env::args().nth(1).unwrap_or_default();
    let c = Constants::of_plans();
    if what.contains('r') {
        for f in facts() {
            let got = predicted(&f, &c);
            let [l, h] = f.range;
            println!(
                "{:<14} {:>6.1}  {:>4}-{:<4} {:.2} {}",
                f.id,
                got,
                l,
                h,
                (got - 0.5 * (l + h)) / (0.5 * (h - l)),
                if got < l || got > h { "MISSED" } else { "" }
            );
        }
    }
    if what.contains('c') {
        for id in [
            "chop-rise",
            "steak-rise",
            "loin-rise",
            "roast-rest",
            "thick-chop",
            "whole-chicken",
            "roast-flat",
        ] {
            let f = facts().into_iter().find(|f| f.id == id).unwrap();
            let mut run = run(&f, &c);
            let pull = if id == "whole-chicken" { 44.0 } else { f.pull };
            advance(&mut run, &f, pull);
            print!(
                "{id}: surf {:.0}/{:.0} lost {:.0}g | ",
                run.piece().upper().surface,
                run.piece().lower().surface,
                run.water_lost() * 1e3
            );
            print!(
                "mean {:.1} front {:.0}/{:.0} 0: {:.1}/{:.1} ",
                run.piece().mean(),
                run.piece().upper().front,
                run.piece().lower().front,
                run.piece().core(),
                run.piece().reading()
            );
            let t0 = run.elapsed();
            run.pull(Rest::Open);
            for m in [0.5, 1.0, 1.5, 2.0, 3.0, 5.0, 8.0, 12.0, 20.0] {
                run.advance_to(t0 + m * 60.0);
                print!(
                    "{m}: {:.1}/{:.1} ",
                    run.piece().core(),
                    run.piece().reading()
                );
            }
            println!(
                "\n      lost {:.0}g mean {:.1} front {:.0}/{:.0} dry {:.2}",
                run.water_lost() * 1e3,
                run.piece().mean(),
                run.piece().upper().front,
                run.piece().lower().front,
                run.piece().upper().dry_layer * 1e3
            );
        }
    }
    if what.contains('b') {
        for e in [60e3, 80e3, 100e3, 120e3] {
            println!("E {e}");
            let mut c = Constants::of_plans();
            c.face.browning_energy = e;
            for row in colours() {
                let b = browned(&row, &c);
                let mut run = run(&row.fact, &c);
                advance(&mut run, &row.fact, row.fact.pull);
                println!(
                    "{:<12} B {:>7.3} {:>7.3} faces {:?} want {:?} surf {:.0}/{:.0} dry {:.2}",
                    row.fact.id,
                    b[0],
                    b[1],
                    row.faces,
                    row.words,
                    run.piece().upper().surface,
                    run.piece().lower().surface,
                    run.piece().upper().dry_layer * 1e3
                );
            }
        }
    }
    if what.contains('h') {
        for id in [
            "thick-chop",
            "breast",
            "roast-44",
            "belly",
            "wings",
            "whole-chicken",
        ] {
            print!("{id}: minutes to 63/74/44 at ");
            for s in [160.0, 180.0, 200.0, 215.0, 230.0] {
                let mut f = facts().into_iter().find(|f| f.id == id).unwrap();
                f.stages = vec![(0.0, s)];
                let target = if id == "roast-44" {
                    44.0
                } else if id == "thick-chop" {
                    63.0
                } else {
                    74.0
                };
                f.flips = vec![];
                f.quantity = format!("minutes to {target} degC");
                print!("{s}: {:.1}  ", predicted(&f, &c));
            }
            println!();
        }
    }
}
