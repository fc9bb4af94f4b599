// Whose food safety guidance the household follows.
import { NativeSelect } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { catalogueQuery } from "../../api/queries";
import type { Region } from "../../api/types";

interface RegionChoiceProps {
  region: Region;
  onChoose: (region: Region) => void;
}

export function RegionChoice({ region, onChoose }: RegionChoiceProps) {
  const catalogue = useQuery(catalogueQuery());
  return (
    <NativeSelect.Root size="sm" w="auto">
      <NativeSelect.Field
        aria-label="Food safety guidance"
        value={region}
        onChange={(event) => onChoose(event.target.value as Region)}
      >
        {catalogue.data?.regions.map((known) => (
          <option key={known.region} value={known.region}>
            {known.words} ({known.authority})
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}
