// Keys and options, one factory for each resource.
import { keepPreviousData, type QueryClient, queryOptions } from "@tanstack/react-query";
import { answer, client } from "./client";
import type {
  Blend,
  Cook,
  Machine,
  MachinesDocument,
  Outcome,
  OwnMethod,
  Report,
  Request,
  Supper,
  TypedField,
} from "./types";

export const catalogueQuery = () =>
  queryOptions({
    queryKey: ["catalogue"],
    queryFn: ({ signal }) => answer(client.GET("/api/catalogue", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const machinesQuery = () =>
  queryOptions({
    queryKey: ["machines"],
    queryFn: ({ signal }) => answer(client.GET("/api/machines", { signal })),
    staleTime: 60_000,
  });

export const addMachine = (machine: Machine) =>
  answer(client.POST("/api/machines", { body: machine }));

export const replaceMachine = (id: string, machine: Machine) =>
  answer(client.PUT("/api/machines/{id}", { params: { path: { id } }, body: machine }));

export const deleteMachine = (id: string) =>
  answer(client.DELETE("/api/machines/{id}", { params: { path: { id } } }));

export const exportMachines = () => answer(client.GET("/api/machines/export"));

export const importMachines = (document: MachinesDocument) =>
  answer(client.POST("/api/machines/import", { body: document }));

/** How two kinds of meat share the machine of the first. */
export const togetherQuery = (first: Request, second: Request) =>
  queryOptions({
    queryKey: ["together", first, second],
    queryFn: ({ signal }) =>
      answer(client.POST("/api/plans/together", { body: { first, second }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** The plan for a sentence. The key is the sentence, so a stale answer never overwrites a newer
 * one; the picture before stays until the next is there. */
export const planQuery = (request: Request) =>
  queryOptions({
    queryKey: ["plan", request],
    queryFn: ({ signal }) => answer(client.POST("/api/plans/preview", { body: request, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** The schools of getting this meat ready and the cook's own ways, each cooked. */
export const preparationQuery = (request: Request, own: OwnMethod[]) =>
  queryOptions({
    queryKey: ["preparation", request, own],
    queryFn: ({ signal }) =>
      answer(client.POST("/api/plans/preparation", { body: { request, own }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

export const methodsQuery = () =>
  queryOptions({
    queryKey: ["methods"],
    queryFn: ({ signal }) => answer(client.GET("/api/methods", { signal })),
    staleTime: 60_000,
  });

export const keepMethod = (method: OwnMethod) =>
  answer(client.POST("/api/methods", { body: method }));

export const changeMethod = (id: string, method: OwnMethod) =>
  answer(client.PUT("/api/methods/{id}", { params: { path: { id } }, body: method }));

export const deleteMethod = (id: string) =>
  answer(client.DELETE("/api/methods/{id}", { params: { path: { id } } }));

export const blendsQuery = () =>
  queryOptions({
    queryKey: ["blends"],
    queryFn: ({ signal }) => answer(client.GET("/api/blends", { signal })),
    staleTime: 60_000,
  });

export const keepBlend = (blend: Blend) => answer(client.POST("/api/blends", { body: blend }));

export const changeBlend = (id: string, blend: Blend) =>
  answer(client.PUT("/api/blends/{id}", { params: { path: { id } }, body: blend }));

export const deleteBlend = (id: string) =>
  answer(client.DELETE("/api/blends/{id}", { params: { path: { id } } }));

/** The lowest setting at which the pieces are out within so many seconds. */
export const settingFor = (request: Request, within: number) =>
  answer(client.POST("/api/plans/setting-for-deadline", { body: { request, within_s: within } }));

export interface CookFilter {
  state?: "planned" | "running" | "finished";
  q?: string;
  page?: number;
  per_page?: number;
}

export const cooksQuery = (filter: CookFilter) =>
  queryOptions({
    queryKey: ["cooks", filter],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/cooks", { params: { query: filter }, signal })),
    placeholderData: keepPreviousData,
  });

export const cookQuery = (id: string) =>
  queryOptions({
    queryKey: ["cook", id],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/cooks/{id}", { params: { path: { id } }, signal })),
  });

export const keepCook = (request: Request, name: string | null, eatAt: Date | null) =>
  answer(
    client.POST("/api/cooks", { body: { request, name, eat_at: eatAt?.toISOString() ?? null } }),
  );

export const renameCook = (id: string, name: string) =>
  answer(client.PATCH("/api/cooks/{id}", { params: { path: { id } }, body: { name } }));

export const deleteCook = (id: string) =>
  answer(client.DELETE("/api/cooks/{id}", { params: { path: { id } } }));

export const restoreCook = (id: string) =>
  answer(client.POST("/api/cooks/{id}/restore", { params: { path: { id } } }));

export const sendReport = (id: string, report: Report) =>
  answer(client.POST("/api/cooks/{id}/events", { params: { path: { id } }, body: report }));

/** Everything of a supper in its place. */
export const supperQuery = (supper: Supper) =>
  queryOptions({
    queryKey: ["supper", supper],
    queryFn: ({ signal }) => answer(client.POST("/api/suppers/preview", { body: supper, signal })),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const suppersQuery = () =>
  queryOptions({
    queryKey: ["suppers"],
    queryFn: ({ signal }) => answer(client.GET("/api/suppers", { signal })),
  });

export const keptSupperQuery = (id: string) =>
  queryOptions({
    queryKey: ["suppers", id],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/suppers/{id}", { params: { path: { id } }, signal })),
  });

export const keepSupper = (supper: Supper) => answer(client.POST("/api/suppers", { body: supper }));

export const changeSupper = (id: string, supper: Supper) =>
  answer(client.PUT("/api/suppers/{id}", { params: { path: { id } }, body: supper }));

export const deleteSupper = (id: string) =>
  answer(client.DELETE("/api/suppers/{id}", { params: { path: { id } } }));

export interface TypedUnits {
  temperature: "celsius" | "fahrenheit";
  weight: "metric" | "imperial";
}

/** What typed words mean, in the unit at the end of the field's name. */
export const understand = (field: TypedField, text: string, units: TypedUnits) =>
  answer(
    client.POST("/api/quantities", {
      body: { field, text, temperature_scale: units.temperature, weight_system: units.weight },
    }),
  ).then((understood) => understood.value);

/** After a cook changed: its own page from the answer, the lists anew. */
export function cookChanged(queries: QueryClient, cook: Cook | null) {
  if (cook) queries.setQueryData(cookQuery(cook.id).queryKey, cook);
  void queries.invalidateQueries({ queryKey: ["cooks"] });
}

export type { Outcome };
