// Everything of the kitchen as one file, out and in; how much it holds; and deleting it for good.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { deleteHousehold, keptQuery, readHousehold, sessionQuery } from "../../api/access";
import { ApiFailure } from "../../api/client";
import type { ReadHousehold, Session } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Caution, Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { forgetHousehold } from "./device";
import { Field, wrongWith } from "./Field";

export function Archive() {
  const queries = useQueryClient();
  const kept = useQuery(keptQuery());
  const household = useQuery(sessionQuery()).data?.household;
  const read = useMutation({
    mutationFn: readHousehold,
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <Box as="section" mt="8" aria-label="Everything of this kitchen">
      <Text as="h2" textStyle="title" mb="2">
        Everything of this kitchen
      </Text>
      <Text textStyle="line" color="ink.say" maxW="reading">
        {(kept.data?.held ?? [])
          .map(({ what, count, most }) => `${count} of at most ${most.toLocaleString()} ${what}`)
          .join(", ")}
        {kept.data ? ". " : ""}
        What is deleted can be brought back for 30 days and counts until then.
      </Text>
      <Flex gap="2" wrap="wrap" align="center">
        <a href="/api/household/archive" download>
          <Action as="span" look="plain" px="0">
            Save everything as a file
          </Action>
        </a>
        <FileButton label="File of a kitchen" accept="application/zip,.zip" onFile={read.mutate}>
          Read a kitchen from a file
        </FileButton>
      </Flex>
      {read.isPending ? (
        <Text role="status" textStyle="small">
          Reading…
        </Text>
      ) : null}
      {read.data ? (
        <Text role="status" textStyle="line">
          {cameWords(read.data)}
        </Text>
      ) : null}
      {read.error ? (
        <Box mt="2">
          <Trouble>{read.error.message} Nothing was added.</Trouble>
        </Box>
      ) : null}
      {household ? <Farewell household={household} /> : null}
    </Box>
  );
}

const NAMES: Record<string, string> = {
  machines: "machines",
  cards: "methods, recipes and side dishes",
  suppers: "suppers",
  cooks: "cooks",
};

function cameWords({ came }: ReadHousehold): string {
  const named = came.flatMap(({ what, added, known }) => {
    const name = NAMES[what];
    return name ? [{ name, added, known }] : [];
  });
  const added = named.filter((one) => one.added > 0);
  const words = added.map((one) => `${one.added} ${one.name}`).join(", ");
  const known = named.reduce((sum, one) => sum + one.known, 0);
  const rest = known > 0 ? ` ${known} were there already and stay as they are.` : "";
  return added.length > 0 ? `Added: ${words}.${rest}` : `Nothing new in it.${rest}`;
}

function Farewell({ household }: { household: NonNullable<Session["household"]> }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState("");
  const [current, setCurrent] = useState("");
  const end = useMutation({
    mutationFn: () => deleteHousehold(name, household.has_passphrase ? current : null),
    onSuccess: async () => {
      await forgetHousehold();
      window.location.replace("/");
    },
  });
  if (!open) {
    return (
      <Action type="button" look="plain" px="0" color="beet" onClick={() => setOpen(true)}>
        Delete everything for good
      </Action>
    );
  }
  const error = end.error instanceof ApiFailure ? end.error : null;
  return (
    <Box maxW="reading" mt="2">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          end.mutate();
        }}
      >
        <Box mb="3">
          <Caution>
            Machines, methods, suppers, cooks and their notes are deleted at once and cannot be
            brought back. Save everything as a file first.
          </Caution>
        </Box>
        <Field
          label={`To delete it, type the name of the household: ${household.name}`}
          value={name}
          onChange={setName}
          wrong={wrongWith(error, "name")}
        />
        {household.has_passphrase ? (
          <Field
            label="Passphrase"
            type="password"
            value={current}
            onChange={setCurrent}
            autoComplete="current-password"
            wrong={wrongWith(error, "current")}
          />
        ) : null}
        {end.error && !error?.problem?.field ? <Trouble>{end.error.message}</Trouble> : null}
        <Flex gap="2">
          <Action type="submit" look="quiet" color="beet" disabled={end.isPending}>
            Delete everything
          </Action>
          <Action type="button" look="plain" onClick={() => setOpen(false)}>
            Cancel
          </Action>
        </Flex>
      </form>
    </Box>
  );
}
