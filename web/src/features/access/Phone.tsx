// Opening this kitchen on a phone: once to trust this computer, where that is needed, and a code that lets it in.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { devicesQuery, linksQuery, makeLink, revokeLink, sessionQuery } from "../../api/access";
import { phoneQuery } from "../../api/queries";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { clock } from "../../lib/clock";
import { MadeLink } from "./MadeLink";

/** While a code is shown it is asked this often whether the phone is in, ms. */
const AGAIN = 2_000;

export function Phone() {
  const phone = useQuery(phoneQuery());
  const session = useQuery(sessionQuery());
  const lan = phone.data?.lan;
  const error = phone.error ?? session.error;
  return (
    <Box as="section" mt="8" aria-label="On your phone">
      <Text as="h2" textStyle="title" mb="3">
        On your phone
      </Text>
      {error ? <Trouble>{error.message}</Trouble> : null}
      {session.data && !session.data.sign_in ? (
        <Text textStyle="line" color="ink.say" maxW="reading">
          Only this computer opens this kitchen now. Start it with <code>./start --lan</code>, and a
          phone at home opens it by scanning a code here.
        </Text>
      ) : null}
      {lan?.setup ? (
        <Box mb="4">
          <Text as="h3" textStyle="section" mb="2">
            The first time: trust this computer
          </Text>
          <Flex gap="6" wrap="wrap" align="flex-start">
            {lan.picture_svg ? (
              <Box bg="white" p="2" borderRadius="field">
                <img
                  src={`data:image/svg+xml;utf8,${encodeURIComponent(lan.picture_svg)}`}
                  alt={`Code for ${lan.setup}`}
                  width={200}
                  height={200}
                />
              </Box>
            ) : null}
            <Box flex="1" minW="240px" maxW="reading" textStyle="line">
              <Text>
                Scan it with the phone, or type <b>{lan.setup}</b>. The page says how to trust this
                computer, and how to stop that.
              </Text>
              <Text mt="3">Compare the numbers on the phone with these before you trust it:</Text>
              <Text fontFamily="mono" textStyle="small" mt="1" overflowWrap="anywhere">
                {lan.fingerprint}
              </Text>
            </Box>
          </Flex>
        </Box>
      ) : null}
      {session.data?.sign_in ? <Pairing /> : null}
      {lan ? (
        <Text textStyle="small" color="ink.say" mt="3" maxW="reading">
          Your kitchen is at {lan.address}
          {lan.others.length > 0 ? ` (where that is not found: ${lan.others.join(", ")})` : ""}.
        </Text>
      ) : null}
    </Box>
  );
}

function Pairing() {
  const queries = useQueryClient();
  const changed = () => {
    void queries.invalidateQueries({ queryKey: linksQuery().queryKey });
    void queries.invalidateQueries({ queryKey: devicesQuery().queryKey });
  };
  const make = useMutation({
    mutationFn: () => makeLink({ kind: "device" }),
    retry: false,
    onSuccess: changed,
  });
  const revoke = useMutation({
    mutationFn: revokeLink,
    onSuccess: () => {
      make.reset();
      changed();
    },
  });
  const link = make.data?.link;
  const links = useQuery({ ...linksQuery(), refetchInterval: link ? AGAIN : false });
  const waits = links.data?.items.some((one) => one.id === link?.id) ?? true;
  const used = link !== undefined && !links.isFetching && !waits;
  useEffect(() => {
    if (used) void queries.invalidateQueries({ queryKey: devicesQuery().queryKey });
  }, [used, queries]);
  const error = make.error ?? revoke.error;
  if (!link || !make.data || used) {
    return (
      <Box>
        {error ? <Trouble>{error.message}</Trouble> : null}
        {used ? (
          <Text role="status" textStyle="line" mb="2">
            The code is used or has run out. A phone that came in is among the devices.
          </Text>
        ) : null}
        <Action type="button" look="quiet" disabled={make.isPending} onClick={() => make.mutate()}>
          Use your phone
        </Action>
      </Box>
    );
  }
  return (
    <Box>
      <Text as="h3" textStyle="section">
        Let the phone in
      </Text>
      <MadeLink made={make.data}>
        Scan it with the phone. It works once
        {link.expires_at ? `, until ${clock(new Date(link.expires_at))}` : ""}.
      </MadeLink>
      <Action type="button" look="plain" px="0" onClick={() => revoke.mutate(link.id)}>
        Revoke this code
      </Action>
    </Box>
  );
}
