// Shows the kitchen to whoever may in, and the sign-in to everybody else.
import { useQuery } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useEffect } from "react";
import { sessionQuery } from "../../api/access";
import { isAnother } from "./device";

const SignIn = lazy(() => import("./SignIn"));

/** The page is shown until the device is known to be signed out: without a network too. */
export function useIsOut(): boolean {
  const { data } = useQuery(sessionQuery());
  return data?.sign_in === true && !data.household;
}

export function Door({ children }: { children: ReactNode }) {
  const out = useIsOut();
  useOwn();
  if (!out) return children;
  return (
    <Suspense>
      <SignIn />
    </Suspense>
  );
}

/** What another household left in this browser is not shown to this one. */
function useOwn() {
  const household = useQuery(sessionQuery()).data?.household?.id;
  useEffect(() => {
    if (!household) return;
    void isAnother(household).then((another) => another && window.location.reload());
  }, [household]);
}
