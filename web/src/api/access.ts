// Who may in: keys, options and calls.
import { queryOptions } from "@tanstack/react-query";
import { answer, asFile, client } from "./client";
import type { NewLink } from "./types";

export const sessionQuery = () =>
  queryOptions({
    queryKey: ["session"],
    queryFn: ({ signal }) => answer(client.GET("/api/session", { signal })),
    staleTime: 60_000,
  });

export const devicesQuery = () =>
  queryOptions({
    queryKey: ["devices"],
    queryFn: ({ signal }) => answer(client.GET("/api/devices", { signal })),
  });

export const linksQuery = () =>
  queryOptions({
    queryKey: ["links"],
    queryFn: ({ signal }) => answer(client.GET("/api/links", { signal })),
  });

export const signIn = (household: string, passphrase: string, device: string) =>
  answer(client.POST("/api/session", { body: { household, passphrase, device } }));

export const join = (secret: string, device: string) =>
  answer(client.POST("/api/session/join", { body: { secret, device } }));

export const signOut = () => answer(client.DELETE("/api/session"));

export const endDevice = (id: string) =>
  answer(client.DELETE("/api/devices/{id}", { params: { path: { id } } }));

export const endDevices = () => answer(client.DELETE("/api/devices"));

/** Only the answer has the address. Each request makes a new address, so it is not repeated automatically. */
export const makeLink = (body: NewLink) => answer(client.POST("/api/links", { body }));

export const revokeLink = (id: string) =>
  answer(client.DELETE("/api/links/{id}", { params: { path: { id } } }));

export const renameHousehold = (name: string) =>
  answer(client.PUT("/api/household", { body: { name } }));

export const changePassphrase = (current: string | null, passphrase: string) =>
  answer(client.PUT("/api/household/passphrase", { body: { current, passphrase } }));

export const deleteHousehold = (name: string, current: string | null) =>
  answer(client.POST("/api/household/farewell", { body: { name, current } }));

export const keptQuery = () =>
  queryOptions({
    queryKey: ["kept"],
    queryFn: ({ signal }) => answer(client.GET("/api/household", { signal })),
  });

/** Reads a whole kitchen from a file. The file goes as it is, not as JSON. */
export const readHousehold = (file: File) =>
  answer(client.POST("/api/household/archive", asFile(file, "application/zip")));
