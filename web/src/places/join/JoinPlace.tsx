// Coming in by a link: the secret stands behind the # of the address, and counts once.
import { Box, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { join } from "../../api/access";
import { ApiFailure } from "../../api/client";
import { Empty, Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { deviceName } from "../../features/access/device";
import { Field, wrongWith } from "../../features/access/Field";
import { usePageTitle } from "../../lib/title";

export function JoinPlace() {
  usePageTitle("Open this kitchen");
  const [secret] = useState(() => window.location.hash.slice(1));
  const [device, setDevice] = useState(() => deviceName(navigator.userAgent));
  const enter = useMutation({
    mutationFn: () => join(secret, device),
    // Without the secret in the history, and with everything read again.
    onSuccess: () => window.location.replace("/"),
  });
  if (!secret) {
    return (
      <Empty title="Part of this address is missing">
        It ends with a # and the part that lets you in. Open the whole link, or scan the code again.
      </Empty>
    );
  }
  const error = enter.error instanceof ApiFailure ? enter.error : null;
  const gone = error?.problem?.code === "not_found";
  return (
    <Box pt="6" maxW="reading">
      <Text as="h1" textStyle="title" mb="3">
        Open this kitchen on this device
      </Text>
      <Text textStyle="line" color="ink.say" mb="4">
        It stays signed in until it is signed out, here or on another device, in Kitchen.
      </Text>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          enter.mutate();
        }}
      >
        <Field
          label="Name of this device"
          value={device}
          onChange={setDevice}
          wrong={wrongWith(error, "device")}
        />
        {enter.error && !error?.problem?.field ? (
          <Box mb="4">
            <Trouble>
              {gone
                ? "This link was used, has run out or was revoked. Make a new one on a device that is signed in: Kitchen, “Use your phone”."
                : enter.error.message}
            </Trouble>
          </Box>
        ) : null}
        <Action type="submit" look="zest" big disabled={enter.isPending}>
          Open the kitchen
        </Action>
      </form>
    </Box>
  );
}
