// What if: up to four variants of a plan side by side, differences first, strips to one time scale.
import { Box, Flex, NativeSelect, Slider, Text } from "@chakra-ui/react";
import { useQueries, useQuery } from "@tanstack/react-query";
import { failed } from "../../api/client";
import { planQuery } from "../../api/queries";
import type { Catalogue, CutEntry, Machine, Plan, Request } from "../../api/types";
import { FieldCanvas } from "../../components/FieldCanvas";
import { PlaceLink } from "../../components/PlaceLink";
import { Action } from "../../components/recipes";
import { planOf } from "../../domain/address";
import { difference } from "../../domain/pins";
import { useDraft } from "../../lib/draft";
import { useWidth } from "../../lib/hooks";
import { capital } from "../../lib/text";
import { minutes, temperature, type Units } from "../../lib/units";
import { type Kind, sentenceOf, VARIANTS, type Variant } from "./variants";

interface WhatIfProps {
  catalogue: Catalogue;
  entry: CutEntry;
  machines: Machine[];
  request: Request;
  units: Units;
}

/** Variants beside the plan itself. */
const MOST = 4;
const HEIGHT = 44;

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
        plan={base.data}
        to={to}
        units={units}
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
              plan={error ? undefined : plan}
              to={to}
              units={units}
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
                <NativeSelect.Root size="sm" w="16rem">
                  <NativeSelect.Field
                    aria-label="Which machine"
                    value={variant.value}
                    onChange={(event) => put(n, { ...variant, value: Number(event.target.value) })}
                  >
                    {machines.map((machine, number) => (
                      <option key={`${machine.name} ${number}`} value={number}>
                        {machine.name}
                      </option>
                    ))}
                  </NativeSelect.Field>
                  <NativeSelect.Indicator />
                </NativeSelect.Root>
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
        <NativeSelect.Root size="sm" w="18rem" mt="4">
          <NativeSelect.Field
            aria-label="What if it were otherwise"
            value=""
            onChange={(event) => {
              const kind = event.target.value as Kind;
              setVariants([...variants, { kind, value: VARIANTS[kind].usual(request) }]);
            }}
          >
            <option value="">What if it were …</option>
            {Object.entries(VARIANTS).map(([kind, { words }]) => (
              <option key={kind} value={kind}>
                {words}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
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

interface StripProps {
  title: string;
  plan: Plan | undefined;
  /** Where the time scale ends, min. */
  to: number;
  units: Units;
  says: string;
}

function Strip({ title, plan, to, says }: StripProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const end = plan?.picture.minutes.at(-1) ?? 0;
  const x = (minute: number) => (minute / to) * width;
  return (
    <Box>
      <Text textStyle="body" fontWeight="600">
        {title}
      </Text>
      <Box ref={ref} position="relative" style={{ height: HEIGHT }}>
        {plan && width > 0 ? (
          <>
            <FieldCanvas picture={plan.picture} width={x(end)} height={HEIGHT} from={0} to={end} />
            <Box
              position="absolute"
              top="0"
              bottom="0"
              borderLeft="2.5px solid"
              borderColor="mark.ink"
              style={{ left: x(plan.pull_at_s / 60) }}
            />
          </>
        ) : null}
      </Box>
      <Text textStyle="small" color="ink.soft" role="status">
        {says}
      </Text>
    </Box>
  );
}
