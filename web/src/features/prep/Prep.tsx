// Getting the meat ready: the schools beside one another in minutes and bite, the chosen one with its
// tasks and what to weigh out.
import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { preparationQuery } from "../../api/queries";
import type { Method, Preparation, Request } from "../../api/types";
import { Action } from "../../components/recipes";
import { capital } from "../../lib/text";
import { hours, length, mass, minutes, smallMass, temperature, type Units } from "../../lib/units";
import { type Changed, methodAhead, sameAhead } from "./method";
import { Tasks } from "./Tasks";

interface PrepProps {
  request: Request;
  units: Units;
  onChange: (change: Partial<Request>) => void;
}

export function Prep({ request, units, onChange }: PrepProps) {
  // The schools are of the cut, not of the school that is chosen.
  const { ahead, ...bare } = request;
  const prep = useQuery(preparationQuery(bare));
  const [open, setOpen] = useState<string | null>(null);
  const [changed, setChanged] = useState<Changed>({});
  if (!prep.data) return null;
  const { methods } = prep.data;
  const chosen = methods.find(
    (method) =>
      method.coat === request.coat && sameAhead(methodAhead(method, changed), ahead ?? []),
  );
  const shown = methods.find((method) => method.id === open) ?? chosen ?? methods[1] ?? methods[0];
  if (!shown) return null;
  const take = (method: Method, change: Changed) =>
    onChange({ ahead: methodAhead(method, change), coat: method.coat });
  return (
    <Box>
      <Schools
        methods={methods}
        shown={shown.id}
        chosen={chosen?.id}
        units={units}
        onShow={setOpen}
      />
      <Box mt="4">
        <Text textStyle="line" fontWeight="650">
          {capital(shown.name)}
        </Text>
        <Text textStyle="small" color="ink.soft">
          {shown.reason} Hands at work: {minutes(shown.hands_on_s)}.
        </Text>
        <Tasks
          method={shown}
          changed={changed}
          onChange={(task, seconds) => {
            const next = { ...changed, [`${shown.id} ${task}`]: seconds };
            setChanged(next);
            if (chosen?.id === shown.id) take(shown, next);
          }}
        />
        {chosen?.id === shown.id ? (
          <Text textStyle="small" mt="2">
            The plan counts with it.{" "}
            <Action type="button" look="inline" onClick={() => onChange({ ahead: undefined })}>
              Leave it out
            </Action>
          </Text>
        ) : (
          <Action type="button" mt="2" onClick={() => take(shown, changed)}>
            Do it so
          </Action>
        )}
        <Quantities method={shown} prep={prep.data} units={units} />
      </Box>
    </Box>
  );
}

interface SchoolsProps {
  methods: Method[];
  shown: string;
  chosen: string | undefined;
  units: Units;
  onShow: (id: string) => void;
}

/** Every school in one table: what it takes, and what it does. */
function Schools({ methods, shown, chosen, units, onShow }: SchoolsProps) {
  return (
    <Box overflowX="auto" tabIndex={0} role="region" aria-label="Schools compared">
      <chakra.table textStyle="small" w="full" css={{ "& td, & th": { py: "1", pe: "3" } }}>
        <chakra.thead textAlign="start">
          <tr>
            {["", "takes", "cook", "crisp after", "loses"].map((head) => (
              <chakra.th
                key={head}
                scope="col"
                textAlign="start"
                color="ink.soft"
                fontWeight="400"
                whiteSpace="nowrap"
              >
                {head}
              </chakra.th>
            ))}
          </tr>
        </chakra.thead>
        <tbody>
          {methods.map((method) => (
            <chakra.tr
              key={method.id}
              borderTop="1px solid"
              borderColor="line"
              bg={method.id === shown ? "well" : undefined}
            >
              <chakra.th scope="row" textAlign="start" fontWeight="400">
                <Action
                  type="button"
                  look="inline"
                  aria-pressed={method.id === shown}
                  fontWeight={method.id === chosen ? "700" : "400"}
                  onClick={() => onShow(method.id)}
                >
                  {method.name}
                </Action>
                {method.id === chosen ? " ✓" : ""}
              </chakra.th>
              <chakra.td whiteSpace="nowrap">{hours(method.time_s)}</chakra.td>
              <chakra.td whiteSpace="nowrap">{minutes(method.worth.cook_s)}</chakra.td>
              <chakra.td whiteSpace="nowrap">
                {method.worth.crisp_at_s == null
                  ? method.worth.crispness
                  : minutes(method.worth.crisp_at_s)}
              </chakra.td>
              <chakra.td whiteSpace="nowrap">
                {method.worth.water_lost_g > 0.05
                  ? smallMass(method.worth.water_lost_g, units)
                  : "–"}
              </chakra.td>
            </chakra.tr>
          ))}
        </tbody>
      </chakra.table>
    </Box>
  );
}

interface QuantitiesProps {
  method: Method;
  prep: Preparation;
  units: Units;
}

function Quantities({ method, prep, units }: QuantitiesProps) {
  const { worth } = method;
  const allergens = [...new Set(method.amounts.flatMap((amount) => amount.allergen ?? []))];
  const eaters = Math.max(1, Math.round(prep.meat_g / (prep.portion_g[1] ?? prep.meat_g)));
  return (
    <Box mt="4">
      <Text textStyle="section">Weigh out for {mass(prep.meat_g, units)}</Text>
      <Grid as="dl" templateColumns="1fr auto auto" columnGap="4" textStyle="small" mt="1">
        {method.amounts.map((amount) => (
          <Box key={amount.ingredient} display="contents">
            <dt>{amount.ingredient}</dt>
            <chakra.dd textAlign="end" fontWeight="650">
              {smallMass(amount.mass_g, units)}
            </chakra.dd>
            <chakra.dd textAlign="end" color="ink.soft">
              {amount.spoons}
            </chakra.dd>
          </Box>
        ))}
      </Grid>
      <Text textStyle="small" mt="2">
        It feeds about {eaters}; {Math.round(method.sodium_mg / eaters / 10) * 10} mg of sodium for
        each
        {allergens.length > 0 ? `. Allergens: ${allergens.join("; ")}` : ""}.
      </Text>
      <Text textStyle="small" color="ink.soft" mt="1">
        When it goes in, its middle is at {temperature(worth.core_c, units)}
        {worth.dry_layer_mm > 0.01
          ? ` and its skin is dry ${worth.dry_layer_mm.toFixed(2)} mm deep`
          : ""}
        {method.salt_depth_mm == null
          ? ""
          : `; salt is half as strong ${length(method.salt_depth_mm, units)} deep as outside`}
        . From frozen: {hours(prep.thaw_fridge_s)} in the fridge, {hours(prep.thaw_water_s)} in cold
        water.
      </Text>
    </Box>
  );
}
