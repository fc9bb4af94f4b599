//! What the sentence offers: cuts, surfaces, methods, typical machines, safety floors.

use ember_core::doneness::{Handling, Region, floor, usual_texture};
use ember_core::fryer::{PRESETS, Preset, Support};
use ember_core::meat::{CATALOGUE, Cut, Group, Layer, NOT_YET, NotYet, Surface};
use ember_core::plan::{LoadRule, Outside, PreheatRule, SauceRule, TEXTURE_WITHIN, TurnRule};
use ember_core::side::{SideEntry, library};
use ember_core::units::bounds;
use serde::Serialize;
use utoipa::ToSchema;

use super::machine::MachineDto;
use super::plan::FloorDto;
use super::request::RegionDto;
use super::side::SideDto;
use super::surface::{LayerDto, SurfaceDto};
use super::words::{
    CutDto, FirstUpDto, GroupDto, HandlingDto, LoadDto, OutsideDto, PreheatDto, SauceDto,
    SilhouetteDto, SupportDto, TurnDto,
};

/// Everything a sentence can be made of.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CatalogueDto {
    /// Cuts.
    pub cuts: Vec<CutEntryDto>,
    /// The groups a cook looks for them in, in their order.
    pub groups: Vec<GroupEntryDto>,
    /// Names a cook may look for in vain.
    pub not_yet: Vec<NotYetDto>,
    /// Methods of preheating.
    pub preheat: Vec<PreheatMethodDto>,
    /// Methods of turning.
    pub turn: Vec<TurnMethodDto>,
    /// Methods of saucing.
    pub sauce: Vec<SauceMethodDto>,
    /// How the outside can be.
    pub outside: Vec<OutsideEntryDto>,
    /// Methods of loading.
    pub load: Vec<LoadMethodDto>,
    /// What a surface can be made of, in the order in which it usually goes on.
    pub layers: Vec<LayerEntryDto>,
    /// Layers of a surface at the most.
    pub most_layers: usize,
    /// Ways of holding the pieces.
    pub support: Vec<SupportEntryDto>,
    /// Typical machines.
    pub machine_presets: Vec<PresetDto>,
    /// Regions.
    pub regions: Vec<RegionEntryDto>,
    /// Typical side dishes.
    pub sides: Vec<SideEntryDto>,
}

/// A typical side dish.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SideEntryDto {
    /// As it goes into a supper, for as many as its recipe serves.
    pub side: SideDto,
    /// Why it goes so.
    pub reason: String,
}

impl From<&SideEntry> for SideEntryDto {
    fn from(entry: &SideEntry) -> Self {
        Self {
            side: SideDto::from(&entry.side),
            reason: entry.reason.to_owned(),
        }
    }
}

/// One cut.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CutEntryDto {
    /// Identity.
    pub cut: CutDto,
    /// One piece.
    pub name: String,
    /// Several pieces.
    pub plural: String,
    /// Other names it goes by in kitchens and shops, here and elsewhere.
    pub other_names: Vec<String>,
    /// Where a cook looks for it.
    pub group: GroupDto,
    /// Its outline from above.
    pub silhouette: SilhouetteDto,
    /// Animal.
    pub animal: String,
    /// Usual number of pieces.
    pub usual_pieces: u32,
    /// Light, usual and heavy piece.
    pub usual_mass_g: [f64; 3],
    /// Setting recommended.
    pub setting_c: f64,
    /// Donenesses, from least to most.
    pub textures: Vec<TextureDto>,
    /// A temperature this near a texture's has its name.
    pub texture_within_k: f64,
    /// Surfaces with their words for this cut.
    pub surfaces: Vec<SurfaceEntryDto>,
    /// Usual surface.
    pub usual_surface: SurfaceDto,
    /// Usual method of turning.
    pub usual_turn: TurnDto,
    /// How the outside usually is, by doneness in their order.
    pub usual_outside: Vec<OutsideDto>,
    /// What can have been done to it.
    pub handlings: Vec<HandlingEntryDto>,
    /// Names of the face for show and of the other, where they differ.
    pub faces: Option<[String; 2]>,
    /// The face that usually looks up first.
    pub usual_first_up: FirstUpDto,
    /// Floors by region.
    pub floors: Vec<CutFloorDto>,
}

/// A group of cuts.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct GroupEntryDto {
    /// Identity.
    pub group: GroupDto,
    /// The words.
    pub words: String,
}

/// Names of something that is not cooked, with what to do instead.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct NotYetDto {
    /// What it is called.
    pub names: Vec<String>,
    /// Why not, and what to do.
    pub reason: String,
    /// The cut that comes nearest.
    pub nearest: Option<CutDto>,
}

impl From<&NotYet> for NotYetDto {
    fn from(known: &NotYet) -> Self {
        Self {
            names: known.names.iter().map(|&name| name.to_owned()).collect(),
            reason: known.reason.to_owned(),
            nearest: known.nearest.map(Into::into),
        }
    }
}

/// One doneness.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct TextureDto {
    /// The cook's word.
    pub name: String,
    /// Core temperature.
    pub core_c: f64,
}

/// One surface that cooks have a name for.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SurfaceEntryDto {
    /// Its layers.
    pub surface: SurfaceDto,
    /// The words in the sentence.
    pub words: String,
}

/// One layer of a surface.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LayerEntryDto {
    /// Identity.
    pub layer: LayerDto,
    /// The words in a list of layers.
    pub words: String,
    /// Layers that it can go over; over raw meat any can.
    pub goes_over: Vec<LayerDto>,
}

/// Something that can have been done to a cut.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct HandlingEntryDto {
    /// Identity.
    pub handling: HandlingDto,
    /// The words.
    pub words: String,
    /// Why it matters.
    pub reason: String,
    /// The safe minimum by region, where it was.
    pub floors: Vec<RegionFloorDto>,
}

/// A safe minimum in a region.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RegionFloorDto {
    /// Region.
    pub region: RegionDto,
    /// Floor.
    pub floor: FloorDto,
}

/// How the outside can be.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct OutsideEntryDto {
    /// Identity.
    pub outside: OutsideDto,
    /// The words.
    pub words: String,
    /// What it means.
    pub reason: String,
}

/// The floor of a cut in a region.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct CutFloorDto {
    /// Region.
    pub region: RegionDto,
    /// Floor.
    pub floor: FloorDto,
    /// Core temperature a plan starts from there.
    pub usual_core_target_c: f64,
    /// Whether it may be planned below with an explicit acknowledgement.
    pub may_go_below: bool,
}

/// A method of preheating.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PreheatMethodDto {
    /// Identity.
    pub method: PreheatDto,
    /// The words.
    pub words: String,
    /// Its reason.
    pub reason: String,
}

/// A method of turning.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct TurnMethodDto {
    /// Identity.
    pub method: TurnDto,
    /// The words.
    pub words: String,
    /// Its reason.
    pub reason: String,
}

/// A method of saucing.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SauceMethodDto {
    /// Identity.
    pub method: SauceDto,
    /// The words.
    pub words: String,
    /// Its reason.
    pub reason: String,
}

/// A method of loading.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct LoadMethodDto {
    /// Identity.
    pub method: LoadDto,
    /// The words.
    pub words: String,
    /// Its reason.
    pub reason: String,
}

/// A way of holding the pieces.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct SupportEntryDto {
    /// Identity.
    pub support: SupportDto,
    /// The words.
    pub words: String,
    /// What it is good for.
    pub reason: String,
}

/// A typical machine.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct PresetDto {
    /// Name in links.
    pub id: String,
    /// The machine.
    pub machine: MachineDto,
}

/// A region.
#[derive(Debug, Clone, PartialEq, Serialize, ToSchema)]
pub struct RegionEntryDto {
    /// Identity.
    pub region: RegionDto,
    /// In words.
    pub words: String,
    /// Whose chart is followed.
    pub authority: String,
    /// Cooked food that waits is held at this or more.
    pub hot_holding_c: f64,
}

const GROUPS: [Group; 7] = [
    Group::Wings,
    Group::Pieces,
    Group::Birds,
    Group::Belly,
    Group::ChopsAndSteaks,
    Group::Ribs,
    Group::Roasts,
];

const REGIONS: [RegionDto; 4] = [RegionDto::Us, RegionDto::Ca, RegionDto::Uk, RegionDto::Anz];

impl From<&Cut> for CutEntryDto {
    fn from(cut: &Cut) -> Self {
        Self {
            cut: cut.id.into(),
            name: cut.name.to_owned(),
            plural: cut.plural.to_owned(),
            other_names: cut
                .id
                .other_names()
                .iter()
                .map(|&name| name.to_owned())
                .collect(),
            group: cut.id.group().into(),
            silhouette: cut.silhouette.into(),
            animal: cut.animal.word().to_owned(),
            usual_pieces: cut.usual_pieces,
            usual_mass_g: cut.usual_mass.map(|mass| mass.grams()),
            setting_c: cut.setting.celsius(),
            texture_within_k: TEXTURE_WITHIN,
            textures: cut
                .textures
                .iter()
                .map(|texture| TextureDto {
                    name: texture.name.to_owned(),
                    core_c: texture.core.celsius(),
                })
                .collect(),
            surfaces: Surface::USUAL
                .iter()
                .map(|surface| SurfaceEntryDto {
                    surface: (*surface).into(),
                    words: surface.words(cut.skin),
                })
                .collect(),
            usual_surface: cut.surface.into(),
            usual_turn: if cut.one_face_up {
                TurnDto::Never
            } else {
                TurnDto::EqualBrowning
            },
            usual_outside: cut
                .textures
                .iter()
                .map(|texture| Outside::of(texture.least_browning).into())
                .collect(),
            handlings: Handling::ALL
                .into_iter()
                .filter(|handling| handling.applies(cut))
                .map(|handling| HandlingEntryDto {
                    handling: handling.into(),
                    words: handling.words().to_owned(),
                    reason: handling.reason().to_owned(),
                    floors: REGIONS
                        .iter()
                        .map(|region| RegionFloorDto {
                            region: *region,
                            floor: (&floor((*region).into(), cut.animal, cut.class, handling))
                                .into(),
                        })
                        .collect(),
                })
                .collect(),
            faces: cut.faces().map(|faces| faces.map(str::to_owned)),
            usual_first_up: cut.first_up().into(),
            floors: REGIONS
                .iter()
                .map(|region| CutFloorDto {
                    region: *region,
                    floor: (&floor((*region).into(), cut.animal, cut.class, Handling::Plain))
                        .into(),
                    usual_core_target_c: usual_texture(cut, (*region).into())
                        .map_or(bounds::CORE_TARGET.max, |texture| texture.core.celsius()),
                    may_go_below: !cut.animal.is_poultry(),
                })
                .collect(),
        }
    }
}

impl From<&Preset> for PresetDto {
    fn from(preset: &Preset) -> Self {
        Self {
            id: preset.id.to_owned(),
            machine: (&preset.machine()).into(),
        }
    }
}

impl CatalogueDto {
    /// The catalogue of this version.
    #[must_use]
    pub fn current() -> Self {
        Self {
            cuts: CATALOGUE
                .iter()
                .map(|cut| CutEntryDto::from(*cut))
                .collect(),
            groups: GROUPS
                .iter()
                .map(|group| GroupEntryDto {
                    group: (*group).into(),
                    words: group.words().to_owned(),
                })
                .collect(),
            not_yet: NOT_YET.iter().map(NotYetDto::from).collect(),
            preheat: PreheatRule::ALL
                .iter()
                .map(|rule| PreheatMethodDto {
                    method: (*rule).into(),
                    words: rule.words().to_owned(),
                    reason: rule.reason().to_owned(),
                })
                .collect(),
            turn: TurnRule::ALL
                .iter()
                .map(|rule| TurnMethodDto {
                    method: (*rule).into(),
                    words: rule.words().to_owned(),
                    reason: rule.reason().to_owned(),
                })
                .collect(),
            sauce: SauceRule::ALL
                .iter()
                .map(|rule| SauceMethodDto {
                    method: (*rule).into(),
                    words: rule.words().to_owned(),
                    reason: rule.reason().to_owned(),
                })
                .collect(),
            outside: Outside::ALL
                .iter()
                .map(|outside| OutsideEntryDto {
                    outside: (*outside).into(),
                    words: outside.words().to_owned(),
                    reason: outside.reason().to_owned(),
                })
                .collect(),
            load: LoadRule::ALL
                .iter()
                .map(|rule| LoadMethodDto {
                    method: (*rule).into(),
                    words: rule.words().to_owned(),
                    reason: rule.reason().to_owned(),
                })
                .collect(),
            sides: library().iter().map(SideEntryDto::from).collect(),
            layers: Layer::ALL
                .iter()
                .map(|layer| LayerEntryDto {
                    layer: (*layer).into(),
                    words: layer.words().to_owned(),
                    goes_over: Layer::ALL
                        .into_iter()
                        .filter(|below| Surface::layered(&[*below, *layer]).is_ok())
                        .map(LayerDto::from)
                        .collect(),
                })
                .collect(),
            most_layers: Surface::MOST,
            support: Support::ALL
                .iter()
                .map(|support| SupportEntryDto {
                    support: (*support).into(),
                    words: support.words().to_owned(),
                    reason: support.reason().to_owned(),
                })
                .collect(),
            machine_presets: PRESETS.iter().map(PresetDto::from).collect(),
            regions: REGIONS
                .iter()
                .map(|region| {
                    let core = Region::from(*region);
                    RegionEntryDto {
                        region: *region,
                        words: core.words().to_owned(),
                        authority: core.authority().to_owned(),
                        hot_holding_c: core.keep_hot().celsius(),
                    }
                })
                .collect(),
        }
    }
}
