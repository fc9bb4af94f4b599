// What other devices change is asked for anew as soon as the server tells of it.
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

/** After an answer that was no stream a browser gives up for good: it is asked again after so long, ms. */
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
      // Between the answers of the page and this moment nobody told.
      source.addEventListener("open", () => everything(queries));
      // Not listened to any more, for a moment or for good: who this device is, is asked anew.
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
