// Whose safety chart, which colours, and the way to the keys.

import { Box, Checkbox, chakra, Popover, Portal, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Region } from "../api/types";
import { optionsOf, Pick } from "../components/Pick";
import { Action } from "../components/recipes";
import { changeSettings, type Settings } from "../domain/settings";
import { RegionChoice } from "../features/household/RegionChoice";

const COLOURS: Record<Settings["colour"], string> = {
  auto: "as the device",
  light: "light",
  dark: "dark",
};

interface MoreProps {
  settings: Settings;
  /** Chooses for the household. */
  onChoose: (change: { region: Region }) => void;
  onHelp: () => void;
}

export default function More({ settings, onChoose, onHelp }: MoreProps) {
  return (
    <Popover.Root positioning={{ placement: "bottom-end" }}>
      <Popover.Trigger asChild>
        <chakra.button type="button" textStyle="small" px="1.5" py="1" cursor="pointer" color="ink">
          More
        </chakra.button>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner className="no-print">
          <Popover.Content
            w="popover"
            maxW="phone"
            bg="raised"
            p="4"
            borderRadius="field"
            aria-label="More"
          >
            <Field label="Food safety guidance">
              <RegionChoice region={settings.region} onChoose={(region) => onChoose({ region })} />
            </Field>
            <Field label="Colours">
              <Pick
                label="Colours"
                value={settings.colour}
                options={optionsOf(COLOURS)}
                onPick={(colour) => changeSettings({ colour })}
              />
            </Field>
            <Checkbox.Root
              checked={settings.shortcuts}
              onCheckedChange={(change) => changeSettings({ shortcuts: change.checked === true })}
            >
              <Checkbox.HiddenInput />
              <Checkbox.Control />
              <Checkbox.Label>
                <Text textStyle="small">Single keys do something</Text>
              </Checkbox.Label>
            </Checkbox.Root>
            <Action type="button" look="plain" onClick={onHelp}>
              Keyboard shortcuts
            </Action>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box mb="3">
      <Text textStyle="small" mb="1">
        {label}
      </Text>
      {children}
    </Box>
  );
}
