// Supper: the one that is being put together, and those that are kept.

import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { ApiFailure } from "../../api/client";
import {
  deleteSupper,
  keepSupper,
  restoreSupper,
  SUPPER_LISTS,
  suppersQuery,
} from "../../api/queries";
import type { Supper, SupperRow } from "../../api/types";
import { FileButton } from "../../components/FileButton";
import { Trouble } from "../../components/Notice";
import { Pager } from "../../components/Pager";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { isSupper } from "../../domain/schemas";
import { DRAFT, emptySupper } from "../../features/supper/document";
import { useSupperPlan } from "../../features/supper/useSupperPlan";
import { UnreadableRows } from "../../features/unreadable/UnreadableRows";
import { clock, day, zone } from "../../lib/clock";
import { useDraft } from "../../lib/draft";
import { asNow } from "../../lib/earlier";
import { useIdentity, useNow, useSettled } from "../../lib/hooks";
import { usePageTitle } from "../../lib/title";
import { SupperView } from "./SupperView";

const SETTLE = 60;

export function SupperPlace() {
  usePageTitle("Supper");
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [fresh] = useState(() => emptySupper(new Date(), zone()));
  const [supper, setSupper, changed] = useDraft(DRAFT, fresh, isSupper);
  const settled = useSettled(supper, SETTLE);
  const plan = useSupperPlan(settled);
  const problem = plan.error instanceof ApiFailure ? plan.error.problem : null;
  const id = useIdentity(supper);
  const keep = useMutation({
    mutationFn: () => keepSupper(id, supper),
    onSuccess: (kept) => {
      setSupper(null);
      void queries.invalidateQueries({ queryKey: SUPPER_LISTS });
      void navigate({ to: "/supper/$id", params: { id: kept.id } });
    },
  });
  return (
    <Box>
      <SupperView
        supper={supper}
        plan={supper.dishes.length > 0 ? plan.data : undefined}
        problem={problem}
        busy={plan.isFetching}
        onChange={setSupper}
      >
        <Action
          type="button"
          look="solid"
          disabled={keep.isPending || problem !== null}
          onClick={() => keep.mutate()}
        >
          Save supper
        </Action>
      </SupperView>
      {plan.error && !problem ? (
        <Trouble onRetry={() => void plan.refetch()}>{plan.error.message}</Trouble>
      ) : null}
      {keep.error ? <Trouble>{keep.error.message} Nothing you entered is lost.</Trouble> : null}
      {supper.dishes.length === 0 ? (
        <Text textStyle="line" color="ink.say" maxW="reading" mt="4">
          Say what is on the table: cooks from the air fryer, and what goes with them. Everything is
          put in its place backwards from the table, from the evening before to the last turn.
        </Text>
      ) : null}
      <Flex gap="1" mt="3" wrap="wrap" className="no-print">
        {changed ? (
          <Action type="button" look="plain" onClick={() => setSupper(null)}>
            Start over
          </Action>
        ) : null}
        <ReadFile onRead={setSupper} />
      </Flex>
      <Kept />
    </Box>
  );
}

function ReadFile({ onRead }: { onRead: (supper: Supper) => void }) {
  const [wrong, setWrong] = useState<string | null>(null);
  const read = async (chosen: File) => {
    try {
      const supper: unknown = JSON.parse(await chosen.text(), asNow);
      if (!isSupper(supper)) throw new Error("no supper");
      setWrong(null);
      // What had begun then has not now.
      onRead({ ...supper, begun: undefined });
    } catch {
      setWrong(`“${chosen.name}” holds no supper. Choose a file that was saved from one.`);
    }
  };
  return (
    <>
      <FileButton label="File of a supper" onFile={(chosen) => void read(chosen)}>
        Read one from a file
      </FileButton>
      {wrong ? <Trouble>{wrong}</Trouble> : null}
    </>
  );
}

const PER_PAGE = 10;

function Kept() {
  const queries = useQueryClient();
  const [page, setPage] = useState(1);
  const kept = useQuery(suppersQuery(page, PER_PAGE));
  const now = useNow(60_000);
  const changed = () => void queries.invalidateQueries({ queryKey: SUPPER_LISTS });
  const deletion = useDelete({
    remove: deleteSupper,
    restore: restoreSupper,
    changed,
    told: (one: SupperRow) => `“${one.name}” is deleted.`,
  });
  if (!kept.data || (kept.data.total === 0 && !deletion.notice)) return null;
  return (
    <Box as="section" mt="8" className="no-print">
      <Text as="h2" textStyle="section" mb="2">
        Saved suppers
      </Text>
      {deletion.notice}
      <Box as="ul" listStyleType="none">
        {kept.data.items.map((one) => {
          const at = new Date(one.serve_at);
          return (
            <Flex
              as="li"
              key={one.id}
              gap="4"
              align="center"
              justify="space-between"
              borderTop="1px solid"
              borderColor="line"
              py="1"
            >
              <Text textStyle="body">
                <PlaceLink
                  to="/supper/$id"
                  params={{ id: one.id }}
                  fontWeight="650"
                  textDecoration="underline"
                  textUnderlineOffset="3px"
                >
                  {one.name}
                </PlaceLink>
                , {day(at, new Date(now))} at {clock(at)}:{" "}
                {one.dishes.map((dish) => dish.name).join(", ")}
              </Text>
              <Action
                type="button"
                look="plain"
                aria-label={`Delete ${one.name}`}
                onClick={() => deletion.remove(one)}
              >
                Delete
              </Action>
            </Flex>
          );
        })}
      </Box>
      <UnreadableRows kind="suppers" rows={kept.data.unreadable} onGone={changed} />
      <Pager page={page} total={kept.data.total} perPage={PER_PAGE} onPage={setPage} />
    </Box>
  );
}
