// Signing in: the household's name and passphrase, or a link from a device that is in.
import { Box, Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { signIn } from "../../api/access";
import { ApiFailure } from "../../api/client";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { deviceName } from "./device";
import { Field, wrongWith } from "./Field";

export default function SignIn() {
  const [household, setHousehold] = useState("");
  const [passphrase, setPassphrase] = useState("");
  const [device, setDevice] = useState(() => deviceName(navigator.userAgent));
  const enter = useMutation({
    mutationFn: () => signIn(household, passphrase, device),
    // The whole page is read again.
    onSuccess: () => window.location.reload(),
  });
  const error = enter.error instanceof ApiFailure ? enter.error : null;
  return (
    <Box pt="6" maxW="reading">
      <Text as="h1" textStyle="title" mb="3">
        Sign in to your kitchen
      </Text>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          enter.mutate();
        }}
      >
        <Field
          label="Household"
          value={household}
          onChange={setHousehold}
          autoComplete="username"
          wrong={wrongWith(error, "household")}
        />
        <Field
          label="Passphrase"
          type="password"
          value={passphrase}
          onChange={setPassphrase}
          autoComplete="current-password"
          wrong={wrongWith(error, "passphrase")}
        />
        <Field
          label="Name of this device"
          value={device}
          onChange={setDevice}
          wrong={wrongWith(error, "device")}
        />
        {enter.error && !error?.problem?.field ? (
          <Box mb="4">
            <Trouble>{enter.error.message}</Trouble>
          </Box>
        ) : null}
        <Action type="submit" look="solid" disabled={enter.isPending}>
          Sign in
        </Action>
      </form>
      <Text textStyle="line" color="ink.say" mt="6">
        No passphrase at hand? On a device that is signed in, open Kitchen, press “Use your phone”
        and scan the code with this one.
      </Text>
    </Box>
  );
}
