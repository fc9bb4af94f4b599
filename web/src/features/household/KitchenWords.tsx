// The facts of this kitchen and its table, for every cook: a sentence whose words can be changed.
import { Box, Text } from "@chakra-ui/react";
import { reader } from "../../api/reader";
import { Choice } from "../../components/Choice";
import { QuantityInput } from "../../components/QuantityInput";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { useSettings } from "../../domain/settings";
import * as show from "../../lib/units";
import { useHousehold } from "./household";

const MEASURED = [
  { value: "there" as const, text: "a thermometer" },
  { value: "none" as const, text: "no thermometer", reason: "Poultry is then not verified." },
];

const TABLE = [
  { value: "nobody" as const, text: "nobody at risk" },
  {
    value: "somebody" as const,
    text: "somebody pregnant, very young, old or ill",
    reason: "Nothing is planned below the safe minimum.",
  },
];

export function KitchenWords() {
  const settings = useSettings();
  const choose = useHousehold(settings);
  return (
    <Box as="section" mt="8" aria-label="Kitchen and table">
      <Text as="h2" textStyle="title" mb="3">
        Kitchen and table
      </Text>
      <Text textStyle="line" color="ink.say" maxW="reading">
        The kitchen is <AltitudeWord /> above the sea. It has{" "}
        <Word
          label="Measured with"
          text={settings.thermometer ? "a thermometer" : "no thermometer"}
        >
          {(close) => (
            <Choice
              items={MEASURED}
              chosen={settings.thermometer ? "there" : "none"}
              onChoose={(one) => {
                choose({ thermometer: one === "there" });
                close();
              }}
            />
          )}
        </Word>
        {settings.thermometer ? (
          <>
            {" "}
            that shows <IceWord /> in ice water
          </>
        ) : null}
        . At the table is usually{" "}
        <Word label="At the table" text={TABLE[settings.vulnerable ? 1 : 0]?.text ?? ""}>
          {(close) => (
            <Choice
              items={TABLE}
              chosen={settings.vulnerable ? "somebody" : "nobody"}
              onChoose={(one) => {
                choose({ vulnerable: one === "somebody" });
                close();
              }}
            />
          )}
        </Word>
        .
      </Text>
    </Box>
  );
}

function AltitudeWord() {
  const settings = useSettings();
  const choose = useHousehold(settings);
  const metric = settings.weight === "metric";
  const words = (metres: number) =>
    metric ? `${Math.round(metres)} m` : `${Math.round(metres / 0.3048)} ft`;
  return (
    <Word label="Altitude" text={words(settings.altitude_m)}>
      {(close) => (
        <QuantityInput
          label="Altitude"
          value={settings.altitude_m}
          show={words}
          understand={reader("altitude_m", settings)}
          range={[0, 3000]}
          step={metric ? 100 : 304.8}
          onChange={(altitude_m) => choose({ altitude_m })}
          onDone={close}
        >
          <Text textStyle="small" color="ink.soft">
            Water boils sooner higher up.
          </Text>
        </QuantityInput>
      )}
    </Word>
  );
}

function IceWord() {
  const settings = useSettings();
  const choose = useHousehold(settings);
  const words = (kelvins: number) => show.temperature(kelvins, settings);
  return (
    <Word label="In ice water" text={words(settings.thermometer_offset_k)}>
      {(close) => (
        <QuantityInput
          label="In ice water"
          value={settings.thermometer_offset_k}
          show={words}
          understand={async (text) => {
            // It is a temperature that is read, and 0 °C that it should be.
            return reader("thermometer_offset_k", { ...settings, temperature: "celsius" })(
              String(await reader("core_c", settings)(text)),
            );
          }}
          range={[-5, 5]}
          step={settings.temperature === "celsius" ? 0.5 : 1 / 1.8}
          onChange={(thermometer_offset_k) => choose({ thermometer_offset_k })}
          onDone={close}
        >
          <Text textStyle="small" color="ink.soft">
            A glass of crushed ice and water, stirred; the tip in the middle for a minute.
          </Text>
          <Action type="button" look="plain" onClick={() => choose({ thermometer_offset_k: 0 })}>
            It is right
          </Action>
        </QuantityInput>
      )}
    </Word>
  );
}
