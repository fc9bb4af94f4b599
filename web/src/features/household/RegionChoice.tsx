// Whose food safety guidance the household follows.

import { useQuery } from "@tanstack/react-query";
import { catalogueQuery } from "../../api/queries";
import type { Region } from "../../api/types";
import { Pick } from "../../components/Pick";

interface RegionChoiceProps {
  region: Region;
  onChoose: (region: Region) => void;
}

export function RegionChoice({ region, onChoose }: RegionChoiceProps) {
  const catalogue = useQuery(catalogueQuery());
  return (
    <Pick
      w="auto"
      label="Food safety guidance"
      value={region}
      options={(catalogue.data?.regions ?? []).map((known) => ({
        value: known.region,
        text: `${known.words} (${known.authority})`,
      }))}
      onPick={(picked) => picked && onChoose(picked)}
    />
  );
}
