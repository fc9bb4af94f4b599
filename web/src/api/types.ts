// The wire types the application speaks of, by their short names.
import type { components } from "./schema";

type Schemas = components["schemas"];

export type Catalogue = Schemas["CatalogueDto"];
export type CutEntry = Schemas["CutEntryDto"];
export type Cook = Schemas["CookDto"];
export type CookRow = Schemas["CookRowDto"];
export type CookPage = Schemas["CookPageDto"];
export type Course = Schemas["CourseDto"];
export type Division = Schemas["DivisionDto"];
export type Happening = Schemas["HappeningDto"];
export type Loading = Schemas["LoadingDto"];
export type Machine = Schemas["MachineDto"];
export type MachinesDocument = Schemas["MachinesDocumentDto"];
export type Mark = Schemas["MarkDto"];
export type Method = Schemas["MethodDto"];
export type Message = Schemas["MessageDto"];
export type Outcome = Schemas["OutcomeDto"];
export type OwnMachine = Schemas["OwnMachineDto"];
export type Picture = Schemas["PictureDto"];
export type Plan = Schemas["PlanDto"];
export type Preparation = Schemas["PreparationDto"];
export type PrepTask = Schemas["PrepTaskDto"];
export type Problem = Schemas["Problem"];
export type Quantity = Schemas["QuantityDto"];
export type Region = Schemas["RegionDto"];
export type Report = Schemas["ReportDto"];
export type Request = Schemas["RequestDto"];
export type Side = Schemas["SideDto"];
export type Spit = Schemas["SpitDto"];
export type Step = Schemas["StepDto"];
export type KeptSupper = Schemas["KeptSupperDto"];
export type Supper = Schemas["SupperDto"];
export type SupperDish = Schemas["SupperDishDto"];
export type SupperPlan = Schemas["SupperPlanDto"];
export type Together = Schemas["TogetherDto"];
export type TypedField = Schemas["TypedFieldDto"];
