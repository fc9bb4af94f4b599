// Until when: the textures by their names, any other temperature, and the safety floor.
import { Box, Checkbox, Text } from "@chakra-ui/react";
import { reader } from "../../api/reader";
import type { Catalogue, Plan } from "../../api/types";
import { Choice } from "../../components/Choice";
import { Caution } from "../../components/Notice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { textureOf } from "../../domain/request";
import * as show from "../../lib/units";
import type { WordProps } from "./words";

export function TargetWord(props: WordProps & { catalogue: Catalogue; plan: Plan | undefined }) {
  const { request, entry, units, wrong, onChange, plan } = props;
  const target = request.core_target_c;
  const name = textureOf(entry, target)?.name;
  const temperature = show.temperature(target, units);
  const aim = (core_target_c: number) =>
    onChange({ core_target_c, out_at_c: undefined, below_floor_acknowledged: false });
  return (
    <Word
      label="Until"
      text={
        request.out_at_c != null
          ? `out at ${show.temperature(request.out_at_c, units)}`
          : name
            ? `${name}, ${temperature}`
            : temperature
      }
      state={wrong === "core_target_c" ? "wrong" : "told"}
    >
      {(close) => (
        <>
          <Choice
            items={entry.textures.map((texture) => ({
              value: texture.name,
              text: `${texture.name}, ${show.temperature(texture.core_c, units)}`,
            }))}
            chosen={name ?? ""}
            onChoose={(chosen) => {
              const texture = entry.textures.find((known) => known.name === chosen);
              if (texture) aim(texture.core_c);
              close();
            }}
          />
          <Box mt="3">
            <Text textStyle="small" mb="1">
              {plan?.rest_completed === false ? "Inside, at least" : "After the rest"}
            </Text>
            <QuantityInput
              label="Core temperature"
              value={target}
              show={(c) => show.temperature(c, units)}
              understand={reader("core_target_c", units)}
              range={[45, 96]}
              step={units.temperature === "celsius" ? 1 : 1 / 1.8}
              onChange={aim}
              onDone={close}
            />
          </Box>
          {plan?.rest_completed || request.out_at_c != null ? (
            <OutAt {...props} plan={plan} onDone={close} />
          ) : null}
          <FloorLine {...props} />
        </>
      )}
    </Word>
  );
}

/** The other number: what the thermometer shows when it comes out. */
function OutAt({
  request,
  units,
  onChange,
  plan,
  onDone,
}: WordProps & { plan: Plan | undefined; onDone: () => void }) {
  const out = request.out_at_c ?? plan?.goals?.inside_core_c ?? request.core_target_c;
  return (
    <Box mt="3">
      <Text textStyle="small" mb="1">
        Out at{request.out_at_c == null ? " (as planned)" : ""}
      </Text>
      <QuantityInput
        label="Out at"
        value={out}
        show={(c) => show.temperature(c, units)}
        understand={reader("core_target_c", units)}
        range={[45, 96]}
        step={units.temperature === "celsius" ? 1 : 1 / 1.8}
        onChange={(out_at_c) => onChange({ out_at_c, below_floor_acknowledged: false })}
        onDone={onDone}
      >
        {request.out_at_c == null ? null : (
          <Action type="button" look="plain" onClick={() => onChange({ out_at_c: undefined })}>
            Let the plan decide
          </Action>
        )}
      </QuantityInput>
    </Box>
  );
}

/** What the region's authority says, and the explicit yes where a cook may go below. */
function FloorLine({
  request,
  entry,
  units,
  onChange,
  catalogue,
}: WordProps & { catalogue: Catalogue }) {
  const own = entry.floors.find((floor) => floor.region === request.region);
  if (!own) return null;
  const region = catalogue.regions.find((known) => known.region === request.region);
  const handled = entry.handlings
    .find((known) => known.handling === (request.handling ?? "plain"))
    ?.floors.find((known) => known.region === request.region);
  const { core_c, hold_s, rest_s, authority } = handled?.floor ?? own.floor;
  if (core_c == null) {
    return (
      <Box mt="3">
        <Caution>
          {authority}: a whole cut of {entry.animal} is seared all over outside; joints that are
          rolled or pierced are cooked through.
        </Caution>
      </Box>
    );
  }
  const extra =
    hold_s > 0
      ? ` for ${show.minutes(hold_s)}`
      : rest_s > 0
        ? ` and ${show.minutes(rest_s)} rest`
        : "";
  const below = core_c - request.core_target_c > 0.005;
  const plain = (request.handling ?? "plain") === "plain";
  const waivable = own.may_go_below && plain && !request.vulnerable;
  return (
    <Box mt="3">
      <Caution>
        {authority} ({region?.words}): {show.temperature(core_c, units)}
        {extra} at the coldest spot. Your local authority decides.
      </Caution>
      <Checkbox.Root
        mt="3"
        checked={request.vulnerable ?? false}
        onCheckedChange={(change) =>
          onChange({ vulnerable: change.checked === true, below_floor_acknowledged: false })
        }
      >
        <Checkbox.HiddenInput />
        <Checkbox.Control />
        <Checkbox.Label>
          <Text textStyle="small">Somebody at the table is pregnant, very young, old or ill.</Text>
        </Checkbox.Label>
      </Checkbox.Root>
      {below && waivable ? (
        <Checkbox.Root
          mt="3"
          checked={request.below_floor_acknowledged}
          onCheckedChange={(change) =>
            onChange({ below_floor_acknowledged: change.checked === true })
          }
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control />
          <Checkbox.Label>
            <Text textStyle="small">I know this is below it, and plan it anyway.</Text>
          </Checkbox.Label>
        </Checkbox.Root>
      ) : null}
    </Box>
  );
}
