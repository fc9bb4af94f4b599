// What to weigh out for a method, what it brings along, and how the meat is when it goes in.
import { Box, chakra, Grid, Text } from "@chakra-ui/react";
import { Fragment } from "react";
import type { Method, Preparation, Recipe } from "../../api/types";
import {
  decimal,
  hours,
  length,
  mass,
  smallMass,
  temperature,
  thin,
  type Units,
} from "../../lib/units";
import { RecipeWord, recipeKinds } from "./RecipeWord";

/** Whether a good part of it does not stay with the meat; what is thrown away is no news. */
const isPartlyLost = ({ mass_g, stays_g, spray_s }: Method["amounts"][number]) =>
  !spray_s && stays_g > 0 && stays_g < 0.7 * mass_g;

interface QuantitiesProps {
  method: Method;
  prep: Preparation;
  recipes: Recipe[];
  /** Whether sauce goes on it as well. */
  sauced: boolean;
  units: Units;
  onRecipes: (recipes: Recipe[]) => void;
}

export function Quantities(props: QuantitiesProps) {
  const { method, prep, recipes, sauced, units, onRecipes } = props;
  const kinds = recipeKinds(method.seasonings, sauced);
  const { worth } = method;
  const allergens = [...new Set(method.amounts.flatMap((amount) => amount.allergen ?? []))];
  const eaters = Math.max(1, Math.round(prep.meat_g / (prep.portion_g[1] ?? prep.meat_g)));
  return (
    <Box mt="4">
      <Text textStyle="section">Set out for {mass(prep.meat_g, units)}</Text>
      {method.amounts.some(isPartlyLost) ? (
        <Text textStyle="small" color="ink.soft">
          With what stays in the bowl and on the fingers.
        </Text>
      ) : null}
      <Grid as="dl" templateColumns="1fr auto auto" columnGap="4" textStyle="small" mt="1">
        {method.amounts.map((amount, n) => (
          <Box key={n} display="contents">
            <dt>
              {amount.ingredient}
              {amount.part_of ? (
                <Text as="span" color="ink.soft">
                  {" "}
                  · in {amount.part_of}
                </Text>
              ) : null}
            </dt>
            <chakra.dd textAlign="end" fontWeight="650">
              {amount.spoons}
            </chakra.dd>
            <chakra.dd textAlign="end" color="ink.soft">
              {amount.spray_s ? "" : smallMass(amount.mass_g, units)}
              {isPartlyLost(amount) ? `, ${smallMass(amount.stays_g, units)} of it stays on` : ""}
            </chakra.dd>
          </Box>
        ))}
      </Grid>
      {kinds.length > 0 ? (
        <Text textStyle="small" mt="2">
          With{" "}
          {kinds.map((kind, n) => (
            <Fragment key={kind}>
              {n > 0 ? " and " : ""}
              <RecipeWord kind={kind} recipes={recipes} onRecipes={onRecipes} />
            </Fragment>
          ))}
          .
        </Text>
      ) : null}
      <Text textStyle="small" mt="2">
        It feeds about {eaters}; {Math.round(method.sodium_mg / eaters / 10) * 10} mg of sodium for
        each
        {allergens.length > 0 ? `. Allergens: ${allergens.join("; ")}` : ""}.
      </Text>
      <Text textStyle="small" color="ink.soft" mt="1">
        Spoons assume{" "}
        {method.amounts
          .filter((amount) => !amount.spray_s)
          .map((amount) => `${decimal(amount.density_g_ml, 2)} g/ml ${amount.ingredient}`)
          .filter((words, n, all) => all.indexOf(words) === n)
          .join(", ")}
        .
      </Text>
      <Text textStyle="small" color="ink.soft" mt="1">
        {worth ? `When it goes in, its middle is at ${temperature(worth.core_c, units)}` : ""}
        {worth && worth.dry_layer_mm > 0.01
          ? ` and its skin is dry ${thin(worth.dry_layer_mm, units)} deep`
          : ""}
        {method.salt_depth_mm == null
          ? ""
          : `; salt is half as strong ${length(method.salt_depth_mm, units)} deep as outside`}
        {worth ? ". " : ""}From frozen: {hours(prep.thaw_fridge_s)} in the fridge,{" "}
        {hours(prep.thaw_water_s)} in cold water.
      </Text>
    </Box>
  );
}
