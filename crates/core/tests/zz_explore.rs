#![allow(clippy::all, clippy::unwrap_used, clippy::indexing_slicing)]
mod reference;
use std::sync::Arc;
use ember_core::geometry::Body;
use ember_core::heat::*;
use ember_core::meat::*;
use ember_core::units::*;
use reference::Shape;
fn air(h: f64, c: f64) -> Surroundings { Surroundings{air:c,radiant:c,convection:h,emissivity:0.0,vapour:1000.0} }
#[test]
fn errs() {
    let (k,rho,cp)=(0.5,1050.0,3450.0);
    let m=Arc::new(Material::constant(Conductivity::from_watts_per_metre_kelvin(k),Density::from_kilograms_per_cubic_metre(rho),SpecificHeat::from_joules_per_kilogram_kelvin(cp)));
    for (rows,cols,dt) in [(21,10,2.0),(25,12,2.0),(31,14,2.0),(17,14,2.0)] {
        for (name,body,sides) in [("wall",Body::Disc{thickness:0.04,radius:0.05},false),("disc",Body::Disc{thickness:0.04,radius:0.025},true),("bar",Body::Bar{diameter:0.044,length:0.1},true)] {
            let mut s=format!("{rows}x{cols} dt{dt} {name}: ");
            for min in [2.0f64,5.0,10.0,20.0,30.0] {
                let mut p=Piece::new(Arc::new(Grid::new(body,rows,cols)),m.clone(),FaceLaw::MEAT,5.0,SurfaceStart{film:0.0,dry_layer:0.0,browning_rate:1.0});
                let mut e=0.0;
                while e<min*60.0-1e-9 { let d=if dt==2.0 {step_size(e)} else {dt}; let d=d.min(min*60.0-e); e+=d; p.step(d,|f| match f {Facing::Side if !sides=>air(0.0,200.0),_=>air(60.0,200.0)}); }
                let mut pr=vec![]; p.profile(101,&mut pr);
                let a=k/(rho*cp)*min*60.0; let h=60.0;
                let ex=|x:f64| match name {"wall"=>Shape::Wall.theta(h*0.02/k,a/0.0004,x),"disc"=>Shape::Wall.theta(h*0.02/k,a/0.0004,x)*Shape::Cylinder.theta(h*0.025/k,a/0.000625,0.0),_=>Shape::Cylinder.theta(h*0.022/k,a/0.000484,x)};
                s+=&format!(" {:.2}/{:.2}", p.core()-(200.0-195.0*ex(0.0)), pr[0]-(200.0-195.0*ex(1.0)));
            }
            println!("{s}");
        }
    }
}
#[test]
fn cost() {
    let c=cut(CutId::PorkChop); let m=Arc::new(Material::of(c.composition));
    for g in [Grid::fine(Body::Disc{thickness:0.04,radius:0.025}),Grid::coarse(Body::Disc{thickness:0.04,radius:0.025}),Grid::fine(Body::Bar{diameter:0.04,length:0.1})] {
        let mut p=Piece::new(Arc::new(g),m.clone(),FaceLaw::MEAT,5.0,Coat::PattedDry.start());
        let t=std::time::Instant::now();
        let mut e=0.0; let mut n=0;
        while e<3600.0 { let d=step_size(e)*(1+(p.grid().cells()<100) as i32) as f64; e+=d; n+=1; p.step(d,|_| Surroundings{air:200.0,radiant:210.0,convection:60.0,emissivity:0.6,vapour:2000.0}); }
        println!("dt cost {:?} {n} steps core {:.1} face {:?}", t.elapsed(), p.core(), p.upper());
    }
}
