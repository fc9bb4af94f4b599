// Everything about a plan that is not the plan itself: each a line with its gist, which unfolds.
import { Box } from "@chakra-ui/react";
import type { Catalogue, CountedMethod, CutEntry, Plan, Request } from "../../api/types";
import { Fold } from "../../components/Fold";
import { surfaceWords } from "../../domain/surface";
import { Explained } from "../../features/assumptions/Explained";
import { Worth } from "../../features/assumptions/Worth";
import { LoadingSection } from "../../features/basket/LoadingSection";
import { layerWords } from "../../features/basket/layer";
import { Curves } from "../../features/ember-strip/Curves";
import { Found } from "../../features/outcomes/Found";
import { Prep } from "../../features/prep/Prep";
import { minutes, temperature, type Units } from "../../lib/units";
import { Beside } from "./Beside";

interface SectionsProps {
  catalogue: Catalogue;
  entry: CutEntry;
  plan: Plan;
  request: Request;
  /** The sentence, once it has stood still for a moment, and for a longer one. */
  settled: Request;
  calm: Request;
  /** The method of preparation the plan counts with. */
  counted: CountedMethod | undefined;
  units: Units;
  clockOf: (seconds: number) => string;
  onChange: (change: Partial<Request>) => void;
}

export function Sections(props: SectionsProps) {
  const { catalogue, entry, plan, settled, calm, counted, units, clockOf, onChange } = props;
  const region = catalogue.regions.find((known) => known.region === settled.region)?.words;
  return (
    <Box minW="0">
      <Fold
        name="preparation"
        title="Preparation"
        gist={prepared(surfaceWords(settled.surface, entry, catalogue.layers), counted)}
      >
        <Prep
          key={calm.cut}
          request={calm}
          catalogue={catalogue}
          entry={entry}
          counted={counted}
          units={units}
          onChange={onChange}
        />
      </Fold>
      {plan.loading ? (
        <>
          <Fold name="arrangement" title="Arrangement" gist={layerWords(plan)}>
            <LoadingSection
              plan={plan}
              loading={plan.loading}
              request={props.request}
              units={units}
              clockOf={clockOf}
              onChange={onChange}
            />
          </Fold>
          <Fold name="alongside" title="Cooked alongside" gist="nothing">
            <Beside
              catalogue={catalogue}
              request={settled}
              entry={entry}
              units={units}
              clockOf={clockOf}
            />
          </Fold>
        </>
      ) : null}
      <Fold name="result" title="Expected result" gist={expected(plan)}>
        <Found plan={plan} units={units} region={region ?? settled.region} />
      </Fold>
      <Fold
        name="temperatures"
        title="Temperatures"
        gist={`core ${temperature(plan.pull_core_c, units)} when it comes out`}
      >
        <Curves plan={plan} units={units} />
        <Explained plan={plan} request={settled} units={units} />
      </Fold>
      <Fold name="measure" title="What to measure first" gist={worthMost(plan)}>
        <Worth plan={plan} units={units} />
      </Fold>
    </Box>
  );
}

/** "rubbed, skin dry; 7 min hands-on". */
function prepared(surface: string, method: CountedMethod | undefined): string {
  return method && method.hands_on_s >= 30
    ? `${method.name}, ${minutes(method.hands_on_s)} hands-on`
    : surface;
}

function expected(plan: Plan): string {
  const [upper, lower] = plan.outcomes?.faces ?? [];
  if (!upper || !lower) return "";
  return upper.browning === lower.browning
    ? `${upper.browning} on both sides`
    : `${upper.browning}, the other side ${lower.browning}`;
}

/** The assumption that a measurement would improve most. */
function worthMost(plan: Plan): string {
  const most = plan.assumptions.find((one) => one.measurable);
  if (!most) return "";
  return `${NAMES[most.kind]}: ± ${minutes(Math.max(30, most.worth_s))}`;
}

const NAMES: Record<Plan["assumptions"][number]["kind"], string> = {
  thickness: "thickness",
  start: "start temperature",
  machine_heat: "fan strength",
  thermostat: "thermostat",
  load: "arrangement",
};
