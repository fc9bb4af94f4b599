// Under the strip: the pin that is held, the effect of moving it, and actions to add at a minute.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { PlannedAction } from "../../api/types";
import { Action } from "../../components/recipes";
import { actionWords } from "../../domain/actions";
import { type Pin, STEP } from "../../domain/pins";
import { capital } from "../../lib/text";
import { minutes, setting, type Units } from "../../lib/units";

interface EditBarProps {
  children: ReactNode;
}

const Bar = ({ children }: EditBarProps) => (
  <Flex
    gap="2"
    wrap="wrap"
    align="center"
    bg="well"
    borderRadius="field"
    px="3"
    py="1.5"
    mb="2"
    textStyle="body"
    className="no-print"
  >
    {children}
  </Flex>
);

interface PinBarProps {
  pin: Pin;
  at: number;
  units: Units;
  /** What the change does, once it is known. */
  effect: string | null;
  onMove: (at_s: number) => void;
  onDone: () => void;
  onRemove: () => void;
}

export function PinBar({ pin, at, units, effect, onMove, onDone, onRemove }: PinBarProps) {
  return (
    <Bar>
      <Text>
        <b>{capital(actionWords(pin.action, units))}</b> after {minutes(at)}
      </Text>
      <Action type="button" px="3" aria-label="A minute earlier" onClick={() => onMove(at - STEP)}>
        −
      </Action>
      <Action type="button" px="3" aria-label="A minute later" onClick={() => onMove(at + STEP)}>
        +
      </Action>
      <Text role="status" color="ink.say" minW="0" flex="1 1 9rem">
        {effect}
      </Text>
      <Action type="button" look="plain" onClick={onRemove}>
        Remove
      </Action>
      <Action type="button" look="plain" onClick={onDone}>
        Done
      </Action>
    </Bar>
  );
}

interface AddBarProps {
  /** s from loading. */
  at: number;
  units: Units;
  /** What the dial shows then, °C, and how hot it goes. */
  dial: [number, number];
  onAdd: (what: Omit<PlannedAction, "at_s">) => void;
  onCancel: () => void;
}

/** A change of the dial on the way begins with this rise, K. */
const HOTTER = 20;

export function AddBar({ at, units, dial: [now, most], onAdd, onCancel }: AddBarProps) {
  const hotter = now + HOTTER <= most ? now + HOTTER : now - HOTTER;
  const offers: [string, Omit<PlannedAction, "at_s">][] = [
    ["Turn", { kind: "turn" }],
    ["Sauce above", { kind: "sauce", faces: "up" }],
    ["Sauce both sides", { kind: "sauce", faces: "both" }],
    ["Spray with oil", { kind: "spray" }],
    [`Set ${setting(hotter, units)}`, { kind: "set", setting_c: hotter }],
    ["Move the pieces", { kind: "move" }],
  ];
  return (
    <Bar>
      <Text>
        <b>After {minutes(at)}</b>, add:
      </Text>
      {offers.map(([words, what]) => (
        <Action key={words} type="button" textStyle="small" px="3" onClick={() => onAdd(what)}>
          {words}
        </Action>
      ))}
      <Box flex="1" />
      <Action type="button" look="plain" onClick={onCancel}>
        Cancel
      </Action>
    </Bar>
  );
}
