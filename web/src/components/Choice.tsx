// A list to choose one thing from, with a search once it is long.
import { Box, Input, Text } from "@chakra-ui/react";
import { useId, useState } from "react";
import { byArrows } from "./byArrows";
import { Option } from "./recipes";

export interface ChoiceItem<T> {
  value: T;
  text: string;
  reason?: string;
}

interface ChoiceProps<T> {
  items: ChoiceItem<T>[];
  chosen: T;
  onChoose: (value: T) => void;
}

const LONG = 7;

export function Choice<T extends string>({ items, chosen, onChoose }: ChoiceProps<T>) {
  const [search, setSearch] = useState("");
  const id = useId();
  const words = search.toLowerCase().trim();
  const shown = items.filter((item) => item.text.toLowerCase().includes(words));
  const searchable = items.length >= LONG;

  return (
    <Box onKeyDown={byArrows}>
      {searchable ? (
        <Input
          data-first
          aria-label="Search"
          aria-controls={id}
          placeholder="type to search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          onKeyDown={(event) => {
            const only = shown[0];
            if (event.key === "Enter" && only) onChoose(only.value);
          }}
          mb="2"
        />
      ) : null}
      <Box id={id} maxH="60dvh" overflowY="auto">
        {shown.map((item) => (
          <Option
            key={item.value}
            type="button"
            chosen={item.value === chosen}
            aria-pressed={item.value === chosen}
            data-first={!searchable && item.value === chosen ? true : undefined}
            onClick={() => onChoose(item.value)}
          >
            {item.text}
            {item.reason ? (
              <Text textStyle="small" color="ink.soft" fontWeight="400">
                {item.reason}
              </Text>
            ) : null}
          </Option>
        ))}
        {shown.length === 0 ? (
          <Text textStyle="small" color="ink.soft" px="3" py="2">
            Nothing called “{search}”.
          </Text>
        ) : null}
      </Box>
    </Box>
  );
}
