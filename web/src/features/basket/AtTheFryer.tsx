// How to load, to look at with wet hands: each tray of a batch, or the spit with its checklist.
import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Loading, Machine } from "../../api/types";
import { trayName } from "./drawing";
import { TrayPicture } from "./Floor";
import { Checklist, NotTurning } from "./Spit";
import { Tabs } from "./Tabs";

interface AtTheFryerProps {
  loading: Loading;
  machine: Machine;
  /** The batch to load now, from 1; nothing while it cooks. */
  batch: number | null;
  /** Share of the cook that has passed. */
  turned: number;
}

/** From which share of the cook on a spit stands still early, and late. */
const EARLY = 0.02;
const LATE = 0.55;

export function AtTheFryer({ loading, machine, batch, turned }: AtTheFryerProps) {
  if (loading.spit) {
    const when = turned > LATE ? 2 : turned > EARLY ? 1 : 0;
    return (
      <Box mb="4">
        {batch === null ? null : <Checklist roast={loading.spit} />}
        <NotTurning roast={loading.spit} when={when} />
      </Box>
    );
  }
  if (batch === null) return null;
  return <Trays key={batch} loading={loading} machine={machine} batch={batch} />;
}

function Trays({ loading, machine, batch }: { loading: Loading; machine: Machine; batch: number }) {
  const [at, setAt] = useState(0);
  const trays = loading.loads[batch - 1]?.trays.filter((tray) => tray.poses.length > 0) ?? [];
  const shown = trays[at];
  if (!shown) return null;
  return (
    <Box mb="4">
      <Tabs
        names={trays.map((tray) => trayName(loading, batch - 1, tray))}
        at={at}
        onChoose={setAt}
      >
        <TrayPicture loading={loading} tray={shown} machine={machine} />
      </Tabs>
    </Box>
  );
}
