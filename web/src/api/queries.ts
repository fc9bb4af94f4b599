// Keys and options, one factory for each resource.
import {
  keepPreviousData,
  type QueryClient,
  type QueryKey,
  queryOptions,
} from "@tanstack/react-query";
import { answer, asFile, client } from "./client";
import type { paths } from "./schema";
import type {
  Cook,
  Happening,
  HouseholdSettings,
  Machine,
  MachinesDocument,
  Moves,
  Outcome,
  OwnMethod,
  Recipe,
  RecipeKind,
  Report,
  Request,
  Side,
  Supper,
  SupperReport,
  Symptom,
  Tie,
  TypedField,
} from "./types";

/** The base of a change: a document with the revision that was seen. */
interface Seen {
  id: string;
  revision: number;
}

const seen = ({ id, revision }: Seen) => ({
  path: { id },
  header: { "If-Match": `"${revision}"` },
});

/** Something that can be asked for by its identity alone. */
const of = ({ id }: { id: string }) => ({ params: { path: { id } } });

/** As many as a page holds: more machines, recipes or methods no kitchen has. */
const ALL = { params: { query: { per_page: 100 } } };

export const catalogueQuery = () =>
  queryOptions({
    queryKey: ["catalogue"],
    queryFn: ({ signal }) => answer(client.GET("/api/catalogue", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });

export const machinesQuery = () =>
  queryOptions({
    queryKey: ["machines"],
    queryFn: ({ signal }) => answer(client.GET("/api/machines", { ...ALL, signal })),
    staleTime: 60_000,
  });

/** The typical machine of a kind and a capacity, l. */
export const typicalMachine = (kind: Machine["kind"], capacity_l: number) =>
  answer(client.GET("/api/machines/typical", { params: { query: { kind, capacity_l } } }));

/** Made once, however often it is sent: the identity is the caller's. */
export const addMachine = (id: string, machine: Machine) =>
  answer(client.POST("/api/machines", { params: { query: { id } }, body: machine }));

export const replaceMachine = (known: Seen, machine: Machine) =>
  answer(client.PUT("/api/machines/{id}", { params: seen(known), body: machine }));

export const deleteMachine = (known: Seen) =>
  answer(client.DELETE("/api/machines/{id}", { params: seen(known) }));

export const restoreMachine = (known: Seen) =>
  answer(client.POST("/api/machines/{id}/restore", of(known)));

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

/** A recipe as it is printed or told, read for the machine of a sentence. */
export const readCookingQuery = (text: string, request: Request) =>
  queryOptions({
    queryKey: ["reading", text, request],
    queryFn: ({ signal }) =>
      answer(client.POST("/api/plans/recipe", { body: { text, request }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** What went wrong with a cook of the log, or with one of which only the sentence is known. */
export const diagnosisQuery = (cook: string | null, request: Request, symptoms: Symptom[]) =>
  queryOptions({
    queryKey: ["diagnosis", cook ?? request, symptoms],
    queryFn: ({ signal }) =>
      answer(
        cook
          ? client.POST("/api/cooks/{id}/diagnosis", {
              params: { path: { id: cook } },
              body: { symptoms },
              signal,
            })
          : client.POST("/api/plans/diagnosis", { body: { request, symptoms }, signal }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const exercisesQuery = () =>
  queryOptions({
    queryKey: ["exercises"],
    queryFn: ({ signal }) => answer(client.GET("/api/exercises", { signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The findings of each move on the hidden piece. */
export const playedQuery = (moves: Moves) =>
  queryOptions({
    queryKey: ["played", moves],
    queryFn: ({ signal }) => answer(client.POST("/api/exercises/play", { body: moves, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
  });

/** What it was inside, what each decision cost, how the advice would have gone. */
export const revealQuery = (moves: Moves) =>
  queryOptions({
    queryKey: ["revealed", moves],
    queryFn: ({ signal }) => answer(client.POST("/api/exercises/reveal", { body: moves, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The methods of getting this meat ready and the cook's own methods, each cooked. */
export const preparationQuery = (request: Request, own: OwnMethod[]) =>
  queryOptions({
    queryKey: ["preparation", request, own],
    queryFn: ({ signal }) =>
      answer(client.POST("/api/plans/preparation", { body: { request, own }, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** The method of preparation a sentence counts with. */
export const countedQuery = (request: Request) =>
  queryOptions({
    queryKey: ["counted", request],
    queryFn: ({ signal }) => answer(client.POST("/api/plans/method", { body: request, signal })),
    placeholderData: keepPreviousData,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

export const methodsQuery = () =>
  queryOptions({
    queryKey: ["methods"],
    queryFn: ({ signal }) => answer(client.GET("/api/methods", { ...ALL, signal })),
    staleTime: 60_000,
  });

export const keepMethod = (id: string, method: OwnMethod) =>
  answer(client.POST("/api/methods", { params: { query: { id } }, body: method }));

export const changeMethod = (known: Seen, method: OwnMethod) =>
  answer(client.PUT("/api/methods/{id}", { params: seen(known), body: method }));

export const deleteMethod = (known: Seen) =>
  answer(client.DELETE("/api/methods/{id}", { params: seen(known) }));

export const restoreMethod = (known: Seen) =>
  answer(client.POST("/api/methods/{id}/restore", of(known)));

export const recipesQuery = () =>
  queryOptions({
    queryKey: ["recipes"],
    queryFn: ({ signal }) => answer(client.GET("/api/recipes", { ...ALL, signal })),
    staleTime: 60_000,
  });

export const keepRecipe = (id: string, recipe: Recipe) =>
  answer(client.POST("/api/recipes", { params: { query: { id } }, body: recipe }));

export const changeRecipe = (known: Seen, recipe: Recipe) =>
  answer(client.PUT("/api/recipes/{id}", { params: seen(known), body: recipe }));

export const deleteRecipe = (known: Seen) =>
  answer(client.DELETE("/api/recipes/{id}", { params: seen(known) }));

export const restoreRecipe = (known: Seen) =>
  answer(client.POST("/api/recipes/{id}/restore", of(known)));

export const sidesQuery = () =>
  queryOptions({
    queryKey: ["sides"],
    queryFn: ({ signal }) => answer(client.GET("/api/sides", { ...ALL, signal })),
    staleTime: 60_000,
  });

export const keepSide = (id: string, side: Side) =>
  answer(client.POST("/api/sides", { params: { query: { id } }, body: side }));

export const deleteSide = (known: Seen) =>
  answer(client.DELETE("/api/sides/{id}", { params: seen(known) }));

export const restoreSide = (known: Seen) =>
  answer(client.POST("/api/sides/{id}/restore", of(known)));

/** A text as a recipe: schema.org's, a page that holds one, or lines as cooks write them. */
export const readRecipe = (text: string, kind: RecipeKind) =>
  answer(client.POST("/api/recipes/read", { body: { text, kind } }));

/** The weights of a recipe, with its salt, its sugar and its allergens. */
export const weighedQuery = (recipe: Recipe) =>
  queryOptions({
    queryKey: ["weighed", recipe],
    queryFn: ({ signal }) => answer(client.POST("/api/recipes/weigh", { body: recipe, signal })),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** The lowest setting at which the pieces are out within this many seconds. */
export const settingFor = (request: Request, within: number) =>
  answer(client.POST("/api/plans/setting-for-deadline", { body: { request, within_s: within } }));

export type CookFilter = NonNullable<paths["/api/cooks"]["get"]["parameters"]["query"]>;

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

export const keepCook = (id: string, request: Request, eatAt: Date | null) =>
  answer(
    client.POST("/api/cooks", {
      params: { query: { id } },
      body: { request, eat_at: eatAt?.toISOString() ?? null },
    }),
  );

/** The cook's choices for a file of readings; the rest is guessed. */
export type ReadingsChoice = NonNullable<
  paths["/api/cooks/{id}/readings-file"]["post"]["parameters"]["query"]
>;

const readingsFile = (id: string, file: File, query: ReadingsChoice, signal?: AbortSignal) =>
  answer(
    client.POST("/api/cooks/{id}/readings-file", {
      // Times without a zone are of this kitchen.
      params: { path: { id }, query: { ...query, zone_min: -new Date().getTimezoneOffset() } },
      ...asFile(file, "text/csv"),
      ...(signal ? { signal } : {}),
    }),
  );

/** The contents of a file of readings; nothing is stored. */
export const readingsQuery = (id: string, file: File | null, choice: ReadingsChoice) =>
  queryOptions({
    queryKey: ["readings-file", id, file?.name, file?.size, file?.lastModified, choice],
    queryFn: ({ signal }) => (file ? readingsFile(id, file, choice, signal) : null),
    enabled: file !== null,
    placeholderData: keepPreviousData,
    retry: false,
  });

export const keepReadings = (id: string, file: File, choice: ReadingsChoice) =>
  readingsFile(id, file, { ...choice, keep: true });

export const photosQuery = (cook: string) =>
  queryOptions({
    queryKey: ["photos", cook],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/cooks/{id}/photos", { ...of({ id: cook }), signal })),
  });

export const addPhoto = (cook: string, id: string, photo: Blob) =>
  answer(
    client.POST("/api/cooks/{id}/photos", {
      params: { path: { id: cook }, query: { id } },
      ...asFile(photo, "application/octet-stream"),
    }),
  );

export const deletePhoto = (id: string) => answer(client.DELETE("/api/photos/{id}", of({ id })));

export const restorePhoto = (id: string) =>
  answer(client.POST("/api/photos/{id}/restore", of({ id })));

/** A sentence that was shared under a short address. */
export const sharedQuery = (id: string) =>
  queryOptions({
    queryKey: ["shared", id],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/shared/{id}", { params: { path: { id } }, signal })),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });

/** Stores a sentence under a short address; the same sentence has the same one. */
export const share = (request: Request) =>
  answer(client.POST("/api/shared", { body: { request } }));

/** Replaces the plan of a cook that has not begun. */
export const changeCook = (known: Seen, request: Request, eatAt: Date | null) =>
  answer(
    client.PUT("/api/cooks/{id}", {
      params: seen(known),
      body: { request, eat_at: eatAt?.toISOString() ?? null },
    }),
  );

export const renameCook = (known: Seen, name: string) =>
  answer(client.PATCH("/api/cooks/{id}", { params: seen(known), body: { name } }));

export const deleteCook = (id: string) =>
  answer(client.DELETE("/api/cooks/{id}", { params: { path: { id } } }));

export const restoreCook = (id: string) =>
  answer(client.POST("/api/cooks/{id}/restore", { params: { path: { id } } }));

/** A server that does not answer within this time is tried again later, ms. */
const PATIENCE = 8_000;

/** Sends a report, and gets the cook with it. */
export async function sendReport(id: string, report: Report): Promise<Cook> {
  const told = await answer(
    client.POST("/api/cooks/{id}/events", {
      params: { path: { id }, header: { Prefer: "return=representation" } },
      body: report,
      signal: AbortSignal.timeout(PATIENCE),
    }),
  );
  // A server may answer with less; then the cook is read.
  return "plan" in told ? told : answer(client.GET("/api/cooks/{id}", of({ id })));
}

/** How a cook would stand if something happened now. */
export const whatIfQuery = (id: string, revision: number, happening: Happening | null) =>
  queryOptions({
    queryKey: ["what-if", id, revision, happening],
    queryFn: ({ signal }) =>
      happening
        ? answer(
            client.POST("/api/cooks/{id}/what-if", {
              params: { path: { id } },
              body: { happening },
              signal,
            }),
          )
        : null,
    placeholderData: keepPreviousData,
    enabled: happening !== null,
    retry: false,
  });

export const thermometersQuery = () =>
  queryOptions({
    queryKey: ["thermometers"],
    queryFn: ({ signal }) => answer(client.GET("/api/thermometers", { signal })),
  });

export const addThermometer = (id: string, name: string) =>
  answer(client.POST("/api/thermometers", { params: { query: { id } }, body: { name } }));

/** Another address for one; the one before counts no more. */
export const addressThermometer = (id: string) =>
  answer(client.POST("/api/thermometers/{id}/address", of({ id })));

/** One that is played for a cook, to try it. */
export const practise = (cook: string) =>
  answer(client.POST("/api/cooks/{id}/practice-thermometer", of({ id: cook })));

export const removeThermometer = (id: string) =>
  answer(client.DELETE("/api/thermometers/{id}", of({ id })));

/** Sets the place of a probe from now on. */
export const tieChannel = (id: string, channel: number, tie: Tie) =>
  answer(
    client.PUT("/api/thermometers/{id}/channels/{channel}", {
      params: { path: { id, channel } },
      body: tie,
    }),
  );

/** Everything of a supper in its place. */
/** `alternatives`: what is found at once of what would make it work, or everything. */
export const supperQuery = (supper: Supper, alternatives: "first" | "all") =>
  queryOptions({
    queryKey: ["supper", supper, alternatives],
    queryFn: ({ signal }) =>
      answer(
        client.POST("/api/suppers/preview", {
          params: { query: { alternatives } },
          body: supper,
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
    retry: false,
  });

export const suppersQuery = (page = 1, perPage = 20) =>
  queryOptions({
    queryKey: ["suppers", "list", page, perPage],
    queryFn: ({ signal }) =>
      answer(
        client.GET("/api/suppers", { params: { query: { page, per_page: perPage } }, signal }),
      ),
    placeholderData: keepPreviousData,
  });

/** All lists of suppers. */
export const SUPPER_LISTS = ["suppers", "list"];

export const keptSupperQuery = (id: string) =>
  queryOptions({
    queryKey: ["suppers", "one", id],
    queryFn: ({ signal }) =>
      answer(client.GET("/api/suppers/{id}", { params: { path: { id } }, signal })),
  });

export const keepSupper = (id: string, supper: Supper) =>
  answer(client.POST("/api/suppers", { params: { query: { id } }, body: supper }));

export const changeSupper = (known: Seen, supper: Supper) =>
  answer(client.PUT("/api/suppers/{id}", { params: seen(known), body: supper }));

/** Sends a report of a supper; the server plans the rest again around it. */
export const sendSupperReport = (id: string, report: SupperReport) =>
  answer(
    client.POST("/api/suppers/{id}/events", {
      params: { path: { id } },
      body: report,
      signal: AbortSignal.timeout(PATIENCE),
    }),
  );

export const deleteSupper = (known: Seen) =>
  answer(client.DELETE("/api/suppers/{id}", { params: seen(known) }));

export const restoreSupper = (known: Seen) =>
  answer(client.POST("/api/suppers/{id}/restore", of(known)));

/** What the household agreed on. */
export const householdQuery = () =>
  queryOptions({
    queryKey: ["household"],
    queryFn: ({ signal }) => answer(client.GET("/api/settings", { signal })),
    staleTime: 60_000,
  });

/** How phones of this home open this kitchen. */
export const phoneQuery = () =>
  queryOptions({
    queryKey: ["phone"],
    queryFn: ({ signal }) => answer(client.GET("/api/phone", { signal })),
    staleTime: 60_000,
  });

export const chooseForHousehold = (settings: HouseholdSettings, revision: number) =>
  answer(
    client.PUT("/api/settings", {
      body: settings,
      params: { header: { "If-Match": `"${revision}"` } },
    }),
  );

export type StoredKind = "cooks" | "suppers" | "machines" | "methods" | "recipes" | "sides";

/** Deletes what cannot be shown, and with it the question which revision was seen. */
export const deleteStored = (kind: StoredKind, id: string) => {
  const known = { params: { path: { id } } };
  switch (kind) {
    case "cooks":
      return answer(client.DELETE("/api/cooks/{id}", known));
    case "suppers":
      return answer(client.DELETE("/api/suppers/{id}", known));
    case "machines":
      return answer(client.DELETE("/api/machines/{id}", known));
    case "methods":
      return answer(client.DELETE("/api/methods/{id}", known));
    case "sides":
      return answer(client.DELETE("/api/sides/{id}", known));
    case "recipes":
      return answer(client.DELETE("/api/recipes/{id}", known));
  }
};

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

/** After a cook changed: its own page from the answer, the lists from the server. */
export function cookChanged(queries: QueryClient, cook: Cook | null) {
  if (cook) answered(queries, cookQuery(cook.id).queryKey, cook);
  void queries.invalidateQueries({ queryKey: ["cooks"] });
}

/** Puts an answer in place; what was asked for before it and comes later is older, and is passed over. */
export function answered<T>(queries: QueryClient, queryKey: QueryKey, answer: T) {
  void queries.cancelQueries({ queryKey, exact: true }, { revert: false });
  queries.setQueryData(queryKey, answer);
}

/** How far plans were off, the latest first. */
export const offQuery = () =>
  queryOptions({
    queryKey: ["cooks", "off"],
    queryFn: ({ signal }) => answer(client.GET("/api/logbook/off", { signal })),
  });

/** What the kitchen has learned from its cooks. */
export const learnedQuery = () =>
  queryOptions({
    queryKey: ["learned"],
    queryFn: ({ signal }) => answer(client.GET("/api/learned", { signal })),
    staleTime: 60_000,
  });

/** What that changes in plans, and the reading worth taking next: only where it is looked at. */
export const learnedEffectQuery = () =>
  queryOptions({
    queryKey: ["learned", "effect"],
    queryFn: ({ signal }) => answer(client.GET("/api/learned/effect", { signal })),
    staleTime: 60_000,
  });

export const leaveOut = (cook: string, left_out: boolean) =>
  answer(client.PUT("/api/learned/{id}", { params: { path: { id: cook } }, body: { left_out } }));

export const startOver = (machine: string) =>
  answer(client.POST("/api/learned/start_over", { body: { machine } }));

export type { Outcome };
