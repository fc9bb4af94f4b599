// What to buy and to weigh out.
import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import type { SupperPlan } from "../../api/types";
import { Action } from "../../components/recipes";
import { mass, smallMass, type Units } from "../../lib/units";

interface ShoppingProps {
  plan: SupperPlan;
  eaters: number;
  units: Units;
  /** Enough of a dish for the eaters; absent where nothing can be changed. */
  onEnough?: (dish: number, needed: number) => void;
}

export function Shopping({ plan, eaters, units, onEnough }: ShoppingProps) {
  const short = plan.shopping.filter((one) => one.too_little);
  const weight = ({ mass_g }: { mass_g: number }) => (mass_g > 0 ? smallMass(mass_g, units) : "");
  const allergens = [...new Set(plan.shopping.flatMap((one) => one.allergen ?? []))];
  return (
    <Box>
      <Grid as="dl" templateColumns="1fr auto auto" columnGap="4" rowGap="1" textStyle="body">
        {plan.shopping.map((one) => (
          <Box key={`${one.what} ${one.mass_g}`} display="contents">
            <dt>{one.what}</dt>
            <chakra.dd textAlign="end" fontWeight="650">
              {one.spoons ?? weight(one)}
            </chakra.dd>
            <chakra.dd textAlign="end" color="ink.soft">
              {one.spoons ? weight(one) : ""}
            </chakra.dd>
          </Box>
        ))}
      </Grid>
      {plan.dishes.map((dish) =>
        dish.amounts.length > 0 ? (
          <Text key={dish.name} textStyle="small" mt="2">
            On the {dish.name.replace(/^the /, "")}:{" "}
            {dish.amounts
              .map(
                (one) =>
                  `${one.ingredient}${one.part_of ? ` in ${one.part_of}` : ""} ${one.spoons} (${smallMass(one.mass_g, units)})`,
              )
              .join(", ")}
            .
          </Text>
        ) : null,
      )}
      {allergens.length > 0 ? (
        <Text textStyle="small" mt="2">
          Allergens: {allergens.join("; ")}.
        </Text>
      ) : null}
      {short.map((one) => (
        <Text key={`${one.dish}`} textStyle="small" mt="2">
          {one.what}: {eaters} eat about {mass(one.needed_g ?? 0, units)}, with the bone.{" "}
          {onEnough && one.dish != null ? (
            <Action
              type="button"
              look="inline"
              className="no-print"
              onClick={() => onEnough(one.dish ?? 0, one.needed_g ?? 0)}
            >
              Use this amount
            </Action>
          ) : null}
        </Text>
      ))}
    </Box>
  );
}
