import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "@fontsource-variable/bricolage-grotesque/wght.css";
import { ChakraProvider } from "@chakra-ui/react";
import { QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { RouterProvider } from "@tanstack/react-router";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { sessionQuery } from "./api/access";
import { ApiFailure } from "./api/client";
import { router } from "./app/router";
import { system } from "./app/theme";
import { keepAnswers } from "./features/offline/persisted";

const MOST_TRIES = 2;

const queries = new QueryClient({
  queryCache: new QueryCache({
    // Whatever hears first that this device is not in any more: the page asks who it is.
    onError: (error) => {
      if (error instanceof ApiFailure && error.isSignedOut) {
        void queries.invalidateQueries({ queryKey: sessionQuery().queryKey });
      }
    },
  }),
  defaultOptions: {
    queries: {
      // A refusal stays a refusal; only trouble that may pass is tried again.
      retry: (count, error) =>
        count < MOST_TRIES &&
        !(error instanceof ApiFailure && (!error.isPassing || error.isSignedOut)),
      networkMode: "always",
      staleTime: 5_000,
      // As long as what was kept of a cook counts.
      gcTime: 3 * 86_400_000,
    },
    mutations: {
      networkMode: "always",
      // A server that is busy for a moment: what writes has an identity and can be asked for again,
      // but links.
      retry: (count, error) =>
        count < MOST_TRIES && error instanceof ApiFailure && error.problem?.status === 503,
    },
  },
});

const root = document.getElementById("root");
if (root) {
  await keepAnswers(queries);
  createRoot(root).render(
    <StrictMode>
      <ChakraProvider value={system}>
        <QueryClientProvider client={queries}>
          <RouterProvider router={router} />
        </QueryClientProvider>
      </ChakraProvider>
    </StrictMode>,
  );
}
