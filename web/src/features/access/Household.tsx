// Who may in: the household's name and passphrase, its devices, and the links that let more in.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import {
  changePassphrase,
  devicesQuery,
  endDevice,
  endDevices,
  linksQuery,
  makeLink,
  renameHousehold,
  revokeLink,
  sessionQuery,
  signOut,
} from "../../api/access";
import { ApiFailure } from "../../api/client";
import type { Device, Link, Session } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { clock, day } from "../../lib/clock";
import { forgetHousehold } from "./device";
import { Field, wrongWith } from "./Field";
import { MadeLink } from "./MadeLink";

type Household = NonNullable<Session["household"]>;

export function Household() {
  const session = useQuery(sessionQuery());
  const household = session.data?.household;
  if (!household) return null;
  if (!session.data?.sign_in) return <Calendars />;
  return (
    <Box as="section" mt="8" aria-label="Household">
      <Text as="h2" textStyle="title" mb="2">
        Household
      </Text>
      <Name household={household} />
      <Passphrase household={household} />
      <Devices />
      <Invitation />
    </Box>
  );
}

function Name({ household }: { household: Household }) {
  const queries = useQueryClient();
  const [name, setName] = useState(household.name);
  const rename = useMutation({
    mutationFn: () => renameHousehold(name),
    onSuccess: () => queries.invalidateQueries({ queryKey: sessionQuery().queryKey }),
  });
  return (
    <Form onSubmit={() => rename.mutate()}>
      <Field
        label="Name, also at sign-in"
        value={name}
        onChange={setName}
        autoComplete="username"
        wrong={rename.error?.message ?? null}
      />
      {name.trim() === household.name ? null : (
        <Action type="submit" disabled={rename.isPending}>
          Save name
        </Action>
      )}
    </Form>
  );
}

function Passphrase({ household }: { household: Household }) {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [current, setCurrent] = useState("");
  const [next, setNext] = useState("");
  const change = useMutation({
    mutationFn: () => changePassphrase(household.has_passphrase ? current : null, next),
    onSuccess: async () => {
      setOpen(false);
      setCurrent("");
      setNext("");
      await queries.invalidateQueries();
    },
  });
  const error = change.error instanceof ApiFailure ? change.error : null;
  if (!open) {
    return (
      <Box mb="4">
        <Text textStyle="line" color="ink.say">
          {household.has_passphrase
            ? "It is signed in to by its name and passphrase, or by a link."
            : "You have not chosen a passphrase. Devices come in by a link only, and if you lose all of them, you cannot come in again."}
        </Text>
        <Action type="button" look="plain" px="0" onClick={() => setOpen(true)}>
          {household.has_passphrase ? "Change passphrase" : "Choose a passphrase"}
        </Action>
      </Box>
    );
  }
  return (
    <Form onSubmit={() => change.mutate()}>
      {household.has_passphrase ? (
        <Field
          label="Passphrase until now"
          type="password"
          value={current}
          onChange={setCurrent}
          autoComplete="current-password"
          wrong={wrongWith(error, "current")}
        />
      ) : null}
      <Field
        label="New passphrase"
        type="password"
        value={next}
        onChange={setNext}
        autoComplete="new-password"
        hint="Ten characters or more. A few words that do not belong together are easy to keep in mind. All other devices are signed out."
        wrong={wrongWith(error, "passphrase")}
      />
      {change.error && !error?.problem?.field ? <Trouble>{change.error.message}</Trouble> : null}
      <Flex gap="2">
        <Action type="submit" look="solid" disabled={change.isPending}>
          Save passphrase
        </Action>
        <Action type="button" look="plain" onClick={() => setOpen(false)}>
          Cancel
        </Action>
      </Flex>
    </Form>
  );
}

function Devices() {
  const queries = useQueryClient();
  const devices = useQuery(devicesQuery());
  const changed = () => queries.invalidateQueries({ queryKey: devicesQuery().queryKey });
  const end = useMutation({ mutationFn: endDevice, onSuccess: changed });
  const endAll = useMutation({
    mutationFn: endDevices,
    onSuccess: () => queries.invalidateQueries(),
  });
  const leave = useMutation({
    mutationFn: signOut,
    onSuccess: async () => {
      await forgetHousehold();
      window.location.replace("/");
    },
  });
  const items = devices.data?.items ?? [];
  const error = end.error ?? endAll.error ?? leave.error ?? devices.error;
  return (
    <Box mb="5">
      <Text as="h3" textStyle="section" mb="1">
        Devices
      </Text>
      {error ? <Trouble>{error.message}</Trouble> : null}
      <Box as="ul" listStyleType="none">
        {items.map((one) => (
          <Row key={one.id} words={deviceWords(one)}>
            {one.is_this ? (
              <Action type="button" look="plain" onClick={() => leave.mutate()}>
                Sign out here
              </Action>
            ) : (
              <Action
                type="button"
                look="plain"
                aria-label={`Sign out ${one.name}`}
                onClick={() => end.mutate(one.id)}
              >
                Sign out
              </Action>
            )}
          </Row>
        ))}
      </Box>
      {items.length > 1 ? (
        <Action type="button" look="plain" px="0" onClick={() => endAll.mutate()}>
          Sign out all others
        </Action>
      ) : null}
    </Box>
  );
}

const when = (at: string) => `${day(new Date(at), new Date())}, ${clock(new Date(at))}`;

const deviceWords = (one: Device) =>
  one.is_this
    ? `${one.name}, this device, since ${when(one.created_at)}`
    : `${one.name}, last used ${when(one.last_used_at)}`;

/** Without sign-in, the only links are those of calendars. */
function Calendars() {
  const links = useQuery(linksQuery());
  if (!links.data?.items.some((one) => one.kind === "calendar")) return null;
  return (
    <Box as="section" mt="8" aria-label="Links">
      <Links />
    </Box>
  );
}

function Links({ onRevoked }: { onRevoked?: () => void }) {
  const queries = useQueryClient();
  const links = useQuery(linksQuery());
  const revoke = useMutation({
    mutationFn: revokeLink,
    onSuccess: () => {
      onRevoked?.();
      void queries.invalidateQueries({ queryKey: linksQuery().queryKey });
    },
  });
  return (
    <>
      <Text as="h3" textStyle="section" mb="1">
        Links
      </Text>
      {revoke.error ? <Trouble>{revoke.error.message}</Trouble> : null}
      <Box as="ul" listStyleType="none">
        {(links.data?.items ?? [])
          .filter((one) => one.kind in LINKS)
          .map((one) => (
            <Row key={one.id} words={linkWords(one)}>
              <Action
                type="button"
                look="plain"
                aria-label={`Revoke: ${linkWords(one)}`}
                onClick={() => revoke.mutate(one.id)}
              >
                Revoke
              </Action>
            </Row>
          ))}
      </Box>
    </>
  );
}

function Invitation() {
  const queries = useQueryClient();
  const make = useMutation({
    mutationFn: () => makeLink({ kind: "invitation" }),
    retry: false,
    onSuccess: () => void queries.invalidateQueries({ queryKey: linksQuery().queryKey }),
  });
  return (
    <Box>
      <Links onRevoked={make.reset} />
      {make.error ? <Trouble>{make.error.message}</Trouble> : null}
      {make.data ? (
        <MadeLink made={make.data}>
          Send this to whom you invite. It lets one device in, once, within a week, and is not shown
          again.
        </MadeLink>
      ) : null}
      <Action
        type="button"
        look="plain"
        px="0"
        disabled={make.isPending}
        onClick={() => make.mutate()}
      >
        Invite somebody
      </Action>
    </Box>
  );
}

const LINKS: Partial<Record<Link["kind"], string>> = {
  device: "Code for a phone",
  invitation: "Invitation",
  calendar: "Calendar of a supper",
};

const linkWords = (one: Link) => {
  const until = one.expires_at ? `, until ${when(one.expires_at)}` : "";
  const used = one.last_used_at ? `, last read ${when(one.last_used_at)}` : "";
  return `${LINKS[one.kind]} of ${when(one.created_at)}${until}${used}`;
};

const Row = ({ words, children }: { words: string; children: ReactNode }) => (
  <Flex
    as="li"
    justify="space-between"
    align="center"
    gap="4"
    borderTop="1px solid"
    borderColor="line"
    py="1"
  >
    <Text textStyle="line">{words}</Text>
    {children}
  </Flex>
);

const Form = ({ onSubmit, children }: { onSubmit: () => void; children: ReactNode }) => (
  <Box maxW="reading" mb="4">
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSubmit();
      }}
    >
      {children}
    </form>
  </Box>
);
