// One of several trays at a time.
import { Tabs as Chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface TabsProps {
  names: string[];
  at: number;
  onChoose: (at: number) => void;
  /** The tray that is chosen. */
  children: ReactNode;
}

export function Tabs({ names, at, onChoose, children }: TabsProps) {
  if (names.length < 2) return children;
  return (
    <Chakra.Root
      value={String(at)}
      onValueChange={(change) => onChoose(Number(change.value))}
      variant="line"
      size="sm"
      mb="2"
    >
      <Chakra.List aria-label="Trays" flexWrap="wrap">
        {names.map((name, n) => (
          <Chakra.Trigger key={name} value={String(n)} minH="11">
            {name}
          </Chakra.Trigger>
        ))}
      </Chakra.List>
      <Chakra.Content value={String(at)} pt="0" tabIndex={-1}>
        {children}
      </Chakra.Content>
    </Chakra.Root>
  );
}
