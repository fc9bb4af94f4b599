// Thermometers that stay in: which channel is in this cook, and how one sends to this kitchen.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import {
  addressThermometer,
  addThermometer,
  cookQuery,
  practise,
  thermometersQuery,
  tieChannel,
} from "../../api/queries";
import type { Cook, Thermometer, Tie } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useIdentity } from "../../lib/hooks";
import { temperature, type Units } from "../../lib/units";

/** Asked again this often while it is looked at, ms. */
const AGAIN = 5_000;

export function Thermometers({ cook, units }: { cook: Cook; units: Units }) {
  const queries = useQueryClient();
  const all = useQuery({ ...thermometersQuery(), refetchInterval: AGAIN });
  const tie = useMutation({
    mutationFn: (wish: { id: string; channel: number; tie: Tie }) =>
      tieChannel(wish.id, wish.channel, wish.tie),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: thermometersQuery().queryKey });
      void queries.invalidateQueries({ queryKey: cookQuery(cook.id).queryKey });
    },
  });
  // Told once each, and shown until the page is left.
  const [tokens, setTokens] = useState<Record<string, string>>({});
  const items = all.data?.items ?? [];
  const set = (one: Thermometer, channel: number, kind: Tie["kind"], piece?: string | null) =>
    tie.mutate({
      id: one.id,
      channel,
      tie: { kind, cook: kind === "off" ? null : cook.id, batch: null, piece },
    });
  return (
    <Box as="section" mb="5">
      <Text as="h2" textStyle="section" mb="2">
        Leave-in thermometer
      </Text>
      {tie.error ? <Trouble>{tie.error.message}</Trouble> : null}
      <Text textStyle="small" color="ink.say" mb="2">
        The tip goes into the middle of the thickest piece, off the bone. Frozen meat takes no
        probe: wait until it slides in without force.
      </Text>
      {items.map((one) => (
        <Box key={one.id} mb="3">
          {(one.channels.length > 0 ? one.channels : FIRST).map((channel) => {
            const here = channel.cook === cook.id ? channel.kind : "off";
            const latest =
              channel.latest_c == null ? "" : `: ${temperature(channel.latest_c, units)}`;
            return (
              <Box key={channel.channel} mb="2">
                <Text textStyle="line">
                  {one.name}, channel {channel.channel}
                  {latest}
                </Text>
                <Flex gap="2" wrap="wrap">
                  {KINDS.map(({ kind, name }) => (
                    <Action
                      key={kind}
                      type="button"
                      px="3"
                      look={here === kind ? "solid" : "quiet"}
                      aria-pressed={here === kind}
                      onClick={() => set(one, channel.channel, kind, channel.piece)}
                    >
                      {name}
                    </Action>
                  ))}
                </Flex>
                {here === "core" ? (
                  <Piece
                    key={channel.piece}
                    piece={channel.piece ?? ""}
                    onSay={(piece) => set(one, channel.channel, "core", piece)}
                  />
                ) : null}
              </Box>
            );
          })}
          <Address
            token={tokens[one.id]}
            onToken={(token) => setTokens({ ...tokens, [one.id]: token })}
            id={one.id}
          />
        </Box>
      ))}
      {all.data?.practice ? <Practise cook={cook} /> : null}
      <Add
        onAdded={(added) => {
          if (added.token) setTokens({ ...tokens, [added.id]: added.token });
          void queries.invalidateQueries({ queryKey: thermometersQuery().queryKey });
        }}
      />
    </Box>
  );
}

const KINDS = [
  { kind: "core", name: "core of this cook" },
  { kind: "air", name: "air" },
  { kind: "off", name: "not in this cook" },
] as const;

/** Which piece it is in, in the cook's words; of several the coldest counts. */
function Piece({ piece, onSay }: { piece: string; onSay: (piece: string) => void }) {
  return (
    <chakra.input
      aria-label="Which piece"
      placeholder="which piece, like: the thick one"
      mt="2"
      w="100%"
      border="1px solid"
      borderColor="ink.soft"
      borderRadius="field"
      px="3"
      minH="11"
      maxLength={40}
      defaultValue={piece}
      onBlur={(event) => {
        const said = event.target.value.trim();
        if (said !== piece) onSay(said);
      }}
    />
  );
}

/** Before anything was sent there is one channel to tie. */
const FIRST: Thermometer["channels"] = [
  {
    channel: 1,
    kind: "off",
    cook: null,
    batch: null,
    piece: null,
    latest_c: null,
    latest_at: null,
  },
];

/** Without a thermometer at hand one is played, from loading on. */
function Practise({ cook }: { cook: Cook }) {
  const queries = useQueryClient();
  const play = useMutation({
    mutationFn: () => practise(cook.id),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: thermometersQuery().queryKey });
      void queries.invalidateQueries({ queryKey: cookQuery(cook.id).queryKey });
    },
  });
  return (
    <Box mb="3">
      <Action type="button" disabled={play.isPending} onClick={() => play.mutate()}>
        {play.isSuccess ? "A practice thermometer sends" : "Try it with a practice thermometer"}
      </Action>
      {play.error ? <Trouble>{play.error.message}</Trouble> : null}
      <Text textStyle="small" color="ink.say" mt="1">
        It is played: what it says is not the meat in your machine. Use it to see how one works.
      </Text>
    </Box>
  );
}

interface AddressProps {
  id: string;
  /** The secret part of its address, where it was just told. */
  token: string | undefined;
  onToken: (token: string) => void;
}

/** The address for its readings. It holds a secret, so it is shown once. */
function Address({ id, token, onToken }: AddressProps) {
  const renew = useMutation({
    mutationFn: () => addressThermometer(id),
    onSuccess: (one) => one.token && onToken(one.token),
  });
  if (token) {
    return (
      <Text textStyle="small" color="ink.say" overflowWrap="anywhere">
        It sends to {window.location.origin}/api/thermometers/{token}/readings. This is shown once:
        give it to the thermometer now.
      </Text>
    );
  }
  return (
    <>
      {renew.error ? <Trouble>{renew.error.message}</Trouble> : null}
      <Action type="button" look="plain" px="0" onClick={() => renew.mutate()}>
        New address for it
      </Action>
    </>
  );
}

function Add({ onAdded }: { onAdded: (added: Thermometer) => void }) {
  const [name, setName] = useState("Leave-in thermometer");
  const [count, setCount] = useState(0);
  const id = useIdentity([name, count]);
  const add = useMutation({
    mutationFn: () => addThermometer(id, name),
    onSuccess: (added) => {
      setCount(count + 1);
      onAdded(added);
    },
  });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      {add.error ? <Trouble>{add.error.message}</Trouble> : null}
      <Flex gap="2">
        <chakra.input
          aria-label="Name of the thermometer"
          border="2px solid"
          borderColor="ink.soft"
          borderRadius="field"
          px="3"
          minH="11"
          flex="1"
          minW="0"
          maxLength={60}
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
        <Action type="submit" disabled={add.isPending || name.trim() === ""}>
          Add thermometer
        </Action>
      </Flex>
    </form>
  );
}
