// Opens without a network; a new version is announced, and never replaces the page in the middle of a cook.

import { registerSW } from "virtual:pwa-register";
import { Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { Action } from "../../components/recipes";

export function NewVersion({ cooking }: { cooking: boolean }) {
  const [waits, setWaits] = useState(false);
  const update = useRef<((reload?: boolean) => Promise<void>) | null>(null);
  useEffect(() => {
    // Only a secure origin has one.
    if (!("serviceWorker" in navigator)) return;
    update.current = registerSW({ onNeedRefresh: () => setWaits(true) });
  }, []);
  if (!waits || cooking) return null;
  return (
    <Flex
      role="status"
      bg="well"
      px={{ base: "5", md: "9" }}
      py="2"
      gap="4"
      align="baseline"
      textStyle="small"
      className="no-print"
    >
      <Text>A new version of Zesty Ember is ready.</Text>
      <Action
        type="button"
        look="plain"
        textStyle="small"
        onClick={() => void update.current?.(true)}
      >
        Reload
      </Action>
    </Flex>
  );
}
