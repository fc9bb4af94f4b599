// While it cooks: reports of other events, and changes. The effect of a change is shown before it is
// reported.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { whatIfQuery } from "../../api/queries";
import type { Browning, Cook, Happening } from "../../api/types";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { clock } from "../../lib/clock";
import { useSettled } from "../../lib/hooks";
import {
  degree,
  fromScale,
  minutes,
  setting,
  temperature,
  toScale,
  type Units,
} from "../../lib/units";
import { Thermometers } from "./Thermometers";

interface ChangesProps {
  cook: Cook;
  dial: number;
  /** The core at which it comes out, °C. */
  aim: number;
  /** Everything is out. */
  out: boolean;
  now: number;
  skew: number;
  units: Units;
  onTell: (happening: Happening) => void;
  onClose: () => void;
}

const COLOURS: Browning[] = ["pale", "blond", "golden", "brown", "dark", "burnt"];
const FACES = [
  { value: "up", name: "top" },
  { value: "down", name: "underside" },
  { value: "both", name: "both sides" },
] as const;
/** Typed text is computed after this pause, ms. */
const SETTLES = 250;

export default function Changes(props: ChangesProps) {
  const { cook, dial, aim, out, now, skew, units, onTell, onClose } = props;
  const [chosen, setChosen] = useState<Happening | null>(null);
  const tell = (happening: Happening) => {
    onTell(happening);
    onClose();
  };
  const machine = cook.request.machine;
  const step = Math.max(machine.step_k ?? 5, 1);
  const pull = cook.course?.estimate?.pull_at;
  const left = pull ? (Date.parse(pull) - skew - now) / 1000 : 0;
  const spit = cook.request.support === "spit";
  return (
    <Box>
      <Flex justify="space-between" align="baseline" mb="3">
        <Text as="h1" textStyle="title">
          Change or tell
        </Text>
        <Action type="button" look="plain" onClick={onClose}>
          Back
        </Action>
      </Flex>
      {out ? (
        <Section title="Taken out">
          <Flex gap="2" wrap="wrap">
            <Action type="button" onClick={() => tell({ kind: "put_back", cut: false })}>
              Put back whole
            </Action>
            <Action type="button" onClick={() => tell({ kind: "put_back", cut: true })}>
              Put back in slices
            </Action>
          </Flex>
        </Section>
      ) : (
        <>
          <Section title="Change">
            <Stepper
              label="Set the dial to"
              value={dial}
              step={step}
              range={[60, 290]}
              show={(value) => setting(value, units)}
              onChange={(setting_c) =>
                setChosen({ kind: "did", action: { kind: "set", setting_c } })
              }
            />
            <Stepper
              label="Take it out at a core of"
              value={aim}
              step={units.temperature === "celsius" ? 1 : 1 / 1.8}
              range={[30, 100]}
              show={(value) => temperature(value, units)}
              onChange={(core_c) => setChosen({ kind: "aim", core_c })}
            />
            <Flex gap="2" wrap="wrap" mt="1">
              {[2, 5, 10].map((more) => (
                <Action
                  key={more}
                  type="button"
                  onClick={() =>
                    setChosen({ kind: "keep_in", keep_s: Math.max(0, left) + more * 60 })
                  }
                >
                  {more} min more
                </Action>
              ))}
            </Flex>
          </Section>
          <Section title="Done now">
            <Flex gap="2" wrap="wrap">
              {FACES.map((face) => (
                <Action
                  key={face.value}
                  type="button"
                  onClick={() =>
                    setChosen({ kind: "did", action: { kind: "sauce", faces: face.value } })
                  }
                >
                  Sauced, {face.name}
                </Action>
              ))}
              <Did name="Turned" action={{ kind: "turn" }} onChoose={setChosen} />
              <Did name="Sprayed" action={{ kind: "spray" }} onChoose={setChosen} />
              <Did name="Basted with juice" action={{ kind: "baste" }} onChoose={setChosen} />
              <Did
                name="Basted with fat"
                action={{ kind: "baste", with: "fat" }}
                onChoose={setChosen}
              />
              <Did name="Moved round" action={{ kind: "move" }} onChoose={setChosen} />
              <Did
                name="Side added"
                action={{ kind: "add_side", side_mass_g: 400 }}
                onChoose={setChosen}
              />
              <Did name="Side taken out" action={{ kind: "take_side" }} onChoose={setChosen} />
              {spit ? (
                <>
                  <Did name="Spit stopped" action={{ kind: "spit_stops" }} onChoose={setChosen} />
                  <Did
                    name="Spit turns again"
                    action={{ kind: "spit_turns" }}
                    onChoose={setChosen}
                  />
                </>
              ) : null}
            </Flex>
          </Section>
          <Section title="Went wrong">
            <Stepper
              label="The dial stood at"
              value={dial - step}
              step={step}
              range={[60, 290]}
              show={(value) => setting(value, units)}
              onChange={(setting_c) => setChosen({ kind: "dial_was", setting_c })}
            />
            <Flex gap="2" wrap="wrap" mt="1" align="center">
              <Text textStyle="line">It was off for</Text>
              {[2, 5, 10, 20].map((time) => (
                <Action
                  key={time}
                  type="button"
                  px="3"
                  aria-label={`It was off for ${time} min`}
                  onClick={() => setChosen({ kind: "off", off_s: time * 60 })}
                >
                  {time} min
                </Action>
              ))}
            </Flex>
          </Section>
        </>
      )}
      <Looks onChoose={setChosen} />
      <Thermometers cook={cook} units={units} />
      <Measured units={units} onChoose={setChosen} />
      {chosen ? (
        <Preview {...props} happening={chosen} onTell={tell} onCancel={() => setChosen(null)} />
      ) : null}
    </Box>
  );
}

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="section" mb="5">
      <Text as="h2" textStyle="section" mb="2">
        {title}
      </Text>
      {children}
    </Box>
  );
}

type DidAction = Extract<Happening, { kind: "did" }>["action"];

interface DidProps {
  name: string;
  action: DidAction;
  onChoose: (happening: Happening) => void;
}

const Did = ({ name, action, onChoose }: DidProps) => (
  <Action type="button" onClick={() => onChoose({ kind: "did", action })}>
    {name}
  </Action>
);

interface StepperProps {
  label: string;
  value: number;
  step: number;
  range: [number, number];
  show: (value: number) => string;
  onChange: (value: number) => void;
}

function Stepper({ label, value, step, range, show, onChange }: StepperProps) {
  const [own, setOwn] = useState(value);
  const [low, high] = range;
  const by = (direction: number) => {
    const next = Math.min(high, Math.max(low, own + direction * step));
    setOwn(next);
    onChange(next);
  };
  return (
    <Flex gap="3" align="center" mb="2" textStyle="line">
      <Text flex="1">{label}</Text>
      <Action type="button" aria-label={`${label}, lower`} onClick={() => by(-1)} px="3.5">
        −
      </Action>
      <Text minW="14" textAlign="center" fontWeight="700" aria-live="polite">
        {show(own)}
      </Text>
      <Action type="button" aria-label={`${label}, higher`} onClick={() => by(1)} px="3.5">
        +
      </Action>
    </Flex>
  );
}

function Looks({ onChoose }: { onChoose: (happening: Happening) => void }) {
  const [faces, setFaces] = useState<(typeof FACES)[number]["value"]>("up");
  return (
    <Section title="What it looks like">
      <Flex gap="2" wrap="wrap" mb="2">
        {FACES.map((face) => (
          <Action
            key={face.value}
            type="button"
            look={faces === face.value ? "solid" : "quiet"}
            aria-pressed={faces === face.value}
            onClick={() => setFaces(face.value)}
          >
            {face.name}
          </Action>
        ))}
      </Flex>
      <Flex gap="2" wrap="wrap">
        {COLOURS.map((colour) => (
          <Action
            key={colour}
            type="button"
            onClick={() => onChoose({ kind: "looks", colour, faces })}
          >
            {colour}
          </Action>
        ))}
      </Flex>
    </Section>
  );
}

interface MeasuredProps {
  units: Units;
  onChoose: (happening: Happening) => void;
}

function Measured({ units, onChoose }: MeasuredProps) {
  const [air, setAir] = useState("");
  const [wrong, setWrong] = useState(false);
  const range = [0, 320].map((celsius) => Math.round(toScale(celsius, units)));
  return (
    <Section title="Air in the machine">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          const air_c = fromScale(Number(air.replace(",", ".")), units);
          const fits = air.trim() !== "" && air_c >= 0 && air_c <= 320;
          setWrong(!fits);
          if (fits) onChoose({ kind: "air", air_c });
        }}
      >
        <Flex gap="2" align="center">
          <chakra.input
            aria-label={`Air in ${degree(units)}`}
            aria-invalid={wrong}
            inputMode="decimal"
            border="2px solid"
            borderColor="ink.soft"
            borderRadius="field"
            px="3"
            minH="11"
            w="24"
            value={air}
            onChange={(event) => setAir(event.target.value)}
          />
          <Text>{degree(units)}</Text>
          <Action type="submit">Enter air temperature</Action>
        </Flex>
        {wrong ? (
          <Text role="alert" color="beet" textStyle="body" mt="1">
            Type a temperature from {range[0]} to {range[1]} {degree(units)}.
          </Text>
        ) : null}
      </form>
    </Section>
  );
}

interface PreviewProps extends ChangesProps {
  happening: Happening;
  onCancel: () => void;
}

/** The effect of a change, before it is reported. */
function Preview({ cook, happening, skew, units, onTell, onCancel }: PreviewProps) {
  const settled = useSettled(happening, SETTLES);
  const asked = useQuery(whatIfQuery(cook.id, cook.revision, settled));
  const estimate = asked.data?.estimate;
  const by = asked.data?.moved_s ?? 0;
  const pull = estimate?.pull_at ? new Date(Date.parse(estimate.pull_at) - skew) : null;
  return (
    <Box
      position="sticky"
      bottom="0"
      bg="raised"
      borderTop="2px solid"
      borderColor="ink"
      py="3"
      mx="-2"
      px="2"
      role="status"
    >
      {asked.error ? <Trouble>{asked.error.message}</Trouble> : null}
      <Text textStyle="line" minH="12">
        {estimate && pull ? (
          <>
            Out at <b>{clock(pull)}</b>, core {temperature(estimate.at_pull_c, units)}
            {Math.abs(by) < 30 ? "" : `: ${minutes(Math.abs(by))} ${by > 0 ? "later" : "sooner"}`}.
            Top {estimate.faces_at_pull[0]}, underside {estimate.faces_at_pull[1]}.
          </>
        ) : asked.isFetching ? (
          "Calculating…"
        ) : estimate ? (
          "At this it does not get done."
        ) : (
          ""
        )}
      </Text>
      <Flex gap="3">
        <Action type="button" tall onClick={onCancel}>
          Cancel
        </Action>
        <Action type="button" look="zest" tall onClick={() => onTell(happening)}>
          OK
        </Action>
      </Flex>
    </Box>
  );
}
