// Reads again what other devices changed, as soon as the server reports the change.
import { type QueryClient, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { sessionQuery } from "../api/access";
import { cookQuery, keptSupperQuery, SUPPER_LISTS } from "../api/queries";

function cookTold(queries: QueryClient, id: string) {
  void queries.invalidateQueries({ queryKey: cookQuery(id).queryKey });
  void queries.invalidateQueries({ queryKey: ["cooks"] });
}

function supperTold(queries: QueryClient, id: string) {
  void queries.invalidateQueries({ queryKey: keptSupperQuery(id).queryKey });
  void queries.invalidateQueries({ queryKey: SUPPER_LISTS });
}

function everything(queries: QueryClient) {
  for (const key of ["cook", "cooks", "suppers"]) {
    void queries.invalidateQueries({ queryKey: [key] });
  }
}

/** A browser gives up after an answer that is not a stream: the page connects again after this time, ms. */
const AGAIN = 3_000;

/** Listens while the page is looked at: a browser has few connections, and hidden pages ask in turn. */
export function useChanges() {
  const queries = useQueryClient();
  useEffect(() => {
    let source: EventSource | null = null;
    let again: ReturnType<typeof setTimeout> | undefined;
    const open = () => {
      const opened = new EventSource("/api/changes");
      source = opened;
      source.addEventListener("cook", (event) => cookTold(queries, event.data));
      source.addEventListener("supper", (event) => supperTold(queries, event.data));
      source.addEventListener("everything", () => everything(queries));
      // Changes between the answers of the page and this moment were not reported.
      source.addEventListener("open", () => everything(queries));
      // The connection ended, for a moment or finally: the session is read again.
      source.addEventListener("error", () => {
        void queries.invalidateQueries({ queryKey: sessionQuery().queryKey });
        if (opened.readyState === EventSource.CLOSED) again = setTimeout(look, AGAIN);
      });
    };
    const look = () => {
      clearTimeout(again);
      source?.close();
      source = null;
      if (!document.hidden) open();
    };
    look();
    document.addEventListener("visibilitychange", look);
    return () => {
      document.removeEventListener("visibilitychange", look);
      clearTimeout(again);
      source?.close();
    };
  }, [queries]);
}
