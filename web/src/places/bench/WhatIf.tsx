// What if: up to four variants of a plan side by side, differences first, strips to one time scale.

import { Box, Flex, Slider, Text } from "@chakra-ui/react";
import { useQueries, useQuery } from "@tanstack/react-query";
import { failed } from "../../api/client";
import { planQuery } from "../../api/queries";
import type { Catalogue, CutEntry, Machine, Plan, Request } from "../../api/types";
import { optionsOf, Pick } from "../../components/Pick";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { planOf } from "../../domain/address";
import { difference } from "../../domain/pins";
import { useDraft } from "../../lib/draft";
import { capital } from "../../lib/text";
import { minutes, temperature, type Units } from "../../lib/units";
import { Strip } from "./Strip";
import { sentenceOf, VARIANTS, type Variant } from "./variants";

interface WhatIfProps {
  catalogue: Catalogue;
  entry: CutEntry;
  machines: Machine[];
  request: Request;
  units: Units;
}

/** Variants beside the plan itself. */
const MOST = 4;

const isVariants = (value: unknown): value is Variant[] =>
  Array.isArray(value) && value.every((one) => one && one.kind in VARIANTS);

export function WhatIf({ entry, machines, request, units }: WhatIfProps) {
  const [variants, setVariants] = useDraft<Variant[]>("bench what if", [], isVariants);
  const base = useQuery(planQuery(request));
  const thickness = base.data?.thickness_mm ?? 30;
  const sentences = variants.map((one) => sentenceOf(one, request, entry, machines, thickness));
  const plans = useQueries({ queries: sentences.map((sentence) => planQuery(sentence)) });
  const known = [base.data, ...plans.map(({ data }) => data)];
  const lasts = ({ picture }: Plan) => picture.minutes.at(-1) ?? 1;
  const to = Math.max(1, ...known.map((plan) => (plan ? lasts(plan) : 0)));
  const put = (n: number, variant: Variant | null) =>
    setVariants(variants.flatMap((one, at) => (at === n ? (variant ? [variant] : []) : [one])));
  return (
    <Box as="section" aria-label="What if" borderTop="1px solid" borderColor="line" py="4" mt="4">
      <Text as="h2" textStyle="line" fontWeight="650">
        What if
      </Text>
      <Text textStyle="small" color="ink.soft" mb="3">
        The same cook with one thing otherwise, up to four at a time, on one time scale.
      </Text>
      <Strip
        title="As planned"
        picture={base.data?.picture}
        mark={base.data && base.data.pull_at_s / 60}
        to={to}
        says={base.data ? figures(base.data, units) : ""}
      />
      {variants.map((variant, n) => {
        const rule = VARIANTS[variant.kind];
        const plan = plans[n]?.data;
        const error = plans[n]?.error;
        const told = rule.told(variant, request, machines, units);
        const sentence = sentences[n];
        return (
          <Box key={`${variant.kind} ${n}`} mt="4">
            <Strip
              title={capital(told)}
              picture={error ? undefined : plan?.picture}
              mark={plan && plan.pull_at_s / 60}
              to={to}
              says={
                error
                  ? failed(error, units)
                  : base.data && plan
                    ? `${capital(difference(base.data, plan, units))}. ${figures(plan, units)}`
                    : ""
              }
            />
            <Flex gap="4" mt="1" align="center" wrap="wrap">
              {rule.range ? (
                <Box w="16rem">
                  <Slider.Root
                    aria-label={[`${told}: how much`]}
                    min={rule.range(request)[0]}
                    max={rule.range(request)[1]}
                    step={rule.step ?? 1}
                    value={[variant.value]}
                    onValueChange={({ value }) =>
                      put(n, { ...variant, value: value[0] ?? variant.value })
                    }
                  >
                    <Slider.Control>
                      <Slider.Track>
                        <Slider.Range />
                      </Slider.Track>
                      <Slider.Thumb index={0} />
                    </Slider.Control>
                  </Slider.Root>
                </Box>
              ) : null}
              {variant.kind === "machine" ? (
                <Pick
                  w="16rem"
                  label="Which machine"
                  value={String(variant.value)}
                  options={machines.map(({ name }, number) => ({
                    value: String(number),
                    text: name,
                  }))}
                  onPick={(number) => put(n, { ...variant, value: Number(number) })}
                />
              ) : null}
              {plan && !error && sentence ? (
                <PlaceLink
                  to="/plan"
                  {...planOf(sentence)}
                  textStyle="small"
                  textDecoration="underline"
                  textUnderlineOffset="3px"
                >
                  Open as a plan
                </PlaceLink>
              ) : null}
              <Action type="button" look="plain" textStyle="small" onClick={() => put(n, null)}>
                Remove
              </Action>
            </Flex>
          </Box>
        );
      })}
      {variants.length < MOST ? (
        <Pick
          w="18rem"
          mt="4"
          label="What if it were otherwise"
          value={undefined}
          none="What if it were …"
          options={optionsOf(VARIANTS, ({ words }) => words)}
          onPick={(kind) => {
            if (kind) setVariants([...variants, { kind, value: VARIANTS[kind].usual(request) }]);
          }}
        />
      ) : null}
    </Box>
  );
}

/** "Out after 23 min at 80 °C, golden above and brown below". */
function figures(plan: Plan, units: Units): string {
  const [above, below] = plan.outcomes?.faces ?? [];
  const colour = above && below ? `, ${above.browning} above and ${below.browning} below` : "";
  return `Out after ${minutes(plan.pull_at_s)} at ${temperature(plan.pull_core_c, units)}${colour}`;
}
