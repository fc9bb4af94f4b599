// An address that a calendar looks at, for a supper: it holds a secret and can be revoked in Kitchen.
import { Box } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { makeLink } from "../../api/access";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { MadeLink } from "./MadeLink";

export function CalendarLink({ supper }: { supper: string }) {
  const make = useMutation({
    mutationFn: () => makeLink({ kind: "calendar", supper }),
    retry: false,
  });
  return (
    <Box className="no-print">
      {make.error ? <Trouble>{make.error.message}</Trouble> : null}
      {make.data ? (
        <MadeLink made={make.data}>
          Subscribe to this address in your calendar: it follows what changes. Whoever has it can
          read this supper. Revoke it in Kitchen.
        </MadeLink>
      ) : (
        <Action type="button" look="plain" disabled={make.isPending} onClick={() => make.mutate()}>
          Subscribe in a calendar
        </Action>
      )}
    </Box>
  );
}
